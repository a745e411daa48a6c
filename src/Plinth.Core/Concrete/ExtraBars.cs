using System.Collections.Immutable;

namespace Plinth.Core.Concrete;

/// <summary>Extra bars of a face beside those that run through, as thick as these, each in the middle between two of them.</summary>
/// <param name="Bars">How many and which; none: there are none.</param>
/// <param name="Low">
/// Over a column: how far they reach from its centre towards −x. In a bay: how far from the centre of its first column they begin, m.
/// </param>
/// <param name="High">The same towards +x; in a bay from the centre of its last column, m.</param>
public readonly record struct ExtraBars(BarSpec Bars, double Low, double High)
{
    /// <summary>None.</summary>
    public static readonly ExtraBars None = new(BarSpec.None, 0, 0);

    /// <summary>Whether there are any.</summary>
    public bool Any => Bars.Size is not null;
}

/// <summary>The extra bars along a strip: at the bottom over its columns, on top in the bays between them.</summary>
/// <param name="Over">Over each column, in order.</param>
/// <param name="Between">In each bay, in order: one less.</param>
public sealed record ExtraLayout(ImmutableArray<ExtraBars> Over, ImmutableArray<ExtraBars> Between)
{
    /// <summary>None under so many columns.</summary>
    public static ExtraLayout Without(int columns) =>
        new([.. Enumerable.Repeat(ExtraBars.None, columns)], [.. Enumerable.Repeat(ExtraBars.None, Math.Max(0, columns - 1))]);

    /// <summary>Whether there are any.</summary>
    public bool Any => Over.Any(e => e.Any) || Between.Any(e => e.Any);

    /// <summary>Those of a face.</summary>
    /// <param name="bottom">At the bottom over columns, or on top in bays.</param>
    public ImmutableArray<ExtraBars> Of(bool bottom) => bottom ? Over : Between;

    /// <summary>The same with others over a column, or in a bay.</summary>
    public ExtraLayout With(bool bottom, int index, ExtraBars other) =>
        bottom ? this with { Over = Over.SetItem(index, other) } : this with { Between = Between.SetItem(index, other) };

    /// <summary>The same without those of a face.</summary>
    public ExtraLayout Without(bool bottom) => bottom
        ? this with { Over = [.. Over.Select(_ => ExtraBars.None)] }
        : this with { Between = [.. Between.Select(_ => ExtraBars.None)] };

    /// <summary>Those of a face in words, after those that run through: " + 3 at C2 + 2 at C3"; empty where there are none.</summary>
    /// <param name="bottom">The face.</param>
    /// <param name="labels">The columns, in order.</param>
    public string Words(bool bottom, IReadOnlyList<string> labels)
    {
        ArgumentNullException.ThrowIfNull(labels);
        return string.Concat(Of(bottom).Select((e, i) => (e, i)).Where(x => x.e.Any)
            .Select(x => $" + {x.e.Bars.Count} {(bottom ? "at " + labels[x.i] : "in " + Bay(labels, x.i))}"));
    }

    /// <summary>A bay as results name it: "C2+C3".</summary>
    /// <param name="labels">The columns, in order.</param>
    /// <param name="index">Which bay.</param>
    public static string Bay(IReadOnlyList<string> labels, int index)
    {
        ArgumentNullException.ThrowIfNull(labels);
        return $"{labels[index]}+{labels[index + 1]}";
    }

    /// <inheritdoc/>
    public bool Equals(ExtraLayout? other) => other is not null && Over.SequenceEqual(other.Over) && Between.SequenceEqual(other.Between);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Over.Length, Over.Count(e => e.Any), Between.Count(e => e.Any));
}
