using System.Collections.Immutable;

namespace Plinth.Core.Concrete;

/// <summary>Stirrups of a beam about a column that stand closer than elsewhere, as thick as these.</summary>
/// <param name="Stirrups">Which and how far apart; none: they stand as elsewhere.</param>
/// <param name="Low">How far they reach from the column's centre towards −x, m.</param>
/// <param name="High">The same towards +x, m.</param>
public readonly record struct StirrupZone(BarSpec Stirrups, double Low, double High)
{
    /// <summary>None.</summary>
    public static readonly StirrupZone None = new(BarSpec.None, 0, 0);

    /// <summary>Whether there are any.</summary>
    public bool Any => Stirrups.Size is not null;
}

/// <summary>The zones of closer stirrups along a beam.</summary>
/// <param name="At">About each column, in order.</param>
public sealed record StirrupZones(ImmutableArray<StirrupZone> At)
{
    /// <summary>None about so many columns.</summary>
    public static StirrupZones Without(int columns) => new([.. Enumerable.Repeat(StirrupZone.None, columns)]);

    /// <summary>Whether there are any.</summary>
    public bool Any => At.Any(z => z.Any);

    /// <summary>The same with another about a column.</summary>
    public StirrupZones With(int column, StirrupZone other) => new(At.SetItem(column, other));

    /// <summary>
    /// Those of a beam in words: "T10 @ 250 mm", "T10 @ 250 mm, @ 150 mm at C2, C3".
    /// </summary>
    /// <param name="elsewhere">The stirrups elsewhere.</param>
    /// <param name="labels">The columns, in order.</param>
    public string Words(BarSpec elsewhere, IReadOnlyList<string> labels)
    {
        ArgumentNullException.ThrowIfNull(elsewhere);
        ArgumentNullException.ThrowIfNull(labels);
        return elsewhere.Drawn + string.Concat(At.Select((z, i) => (z, i)).Where(x => x.z.Any)
            .GroupBy(x => x.z.Stirrups.Drawn, x => labels[x.i])
            .Select(g => $", {g.Key[g.Key.IndexOfAny(['@', '-'])..]} at {string.Join(", ", g)}"));
    }

    /// <inheritdoc/>
    public bool Equals(StirrupZones? other) => other is not null && At.SequenceEqual(other.At);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(At.Length, At.Count(z => z.Any));
}
