using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds;

/// <summary>A value of a design, as files and commands write it.</summary>
public abstract record FieldValue
{
    /// <summary>A length.</summary>
    /// <param name="Metres">m.</param>
    public sealed record Length(double Metres) : FieldValue;

    /// <summary>The widths of both ends of a trapezoid.</summary>
    /// <param name="Low">At −x, m.</param>
    /// <param name="High">At +x, m.</param>
    public sealed record Ends(double Low, double High) : FieldValue;

    /// <summary>Bars.</summary>
    /// <param name="Spec">As written.</param>
    public sealed record Bars(BarSpec Spec) : FieldValue;

    /// <summary>Sizes of bars that are allowed.</summary>
    /// <param name="Allowed">Rising.</param>
    public sealed record Sizes(IReadOnlyList<BarSize> Allowed) : FieldValue;

    /// <summary>A word.</summary>
    /// <param name="Text">As written.</param>
    public sealed record Word(string Text) : FieldValue;

    /// <summary>Quarter turns anticlockwise.</summary>
    /// <param name="Quarters">0 to 3.</param>
    public sealed record Turn(int Quarters) : FieldValue;

    /// <summary>Points in plan.</summary>
    /// <param name="Points">From the place's origin, m.</param>
    public sealed record Places(IReadOnlyList<PlanPoint> Points) : FieldValue;

    /// <summary>A pedestal with its bars, ties and socket.</summary>
    /// <param name="Of">The pedestal.</param>
    public sealed record Upright(Pedestal Of) : FieldValue;
}

/// <summary>What a field holds, and so how it is written.</summary>
public enum FieldForm
{
    /// <summary>A length above nothing.</summary>
    Length,

    /// <summary>A length of either sign; not written where it is nothing.</summary>
    Shift,

    /// <summary>A width, or the widths of both ends.</summary>
    Widths,

    /// <summary>A layer of bars.</summary>
    Bars,

    /// <summary>A word out of a list, told by <see cref="DesignField.IsWord"/>.</summary>
    Word,

    /// <summary>A whole number of quarter turns; not written where it is none.</summary>
    Turn,

    /// <summary>Bars that stand in no layer: upright ones of a pile, or its ties; not written where there are none.</summary>
    Shaft,

    /// <summary>Bars that stand round a section, an even number from 4; not written where there are none.</summary>
    Dowels,

    /// <summary>Points in plan; not written where there are none, and changed in files alone.</summary>
    Places,

    /// <summary>A pedestal: a table of its own.</summary>
    Pedestal,
}

/// <summary>What plinth.toml states of a field.</summary>
/// <param name="Value">The value.</param>
/// <param name="Name">What it is called there: "length", "[column] dowels".</param>
public readonly record struct HeldField(FieldValue Value, string Name);

/// <summary>A field of a kind's designs: all that adopted.toml, `set`, held values and results need to know of it.</summary>
/// <param name="Path">Its key, part by part: "at", "C5", "dowels".</param>
/// <param name="Form">What it holds.</param>
public sealed record DesignField(IReadOnlyList<string> Path, FieldForm Form)
{
    /// <summary>A field with a key of one part.</summary>
    /// <param name="key">The key.</param>
    /// <param name="form">What it holds.</param>
    public DesignField(string key, FieldForm form)
        : this([key], form)
    {
    }

    /// <summary>Its key, the parts with dots between, those that TOML does not take bare in quotes.</summary>
    public string Key => string.Join('.', Path.Select(Quoted));

    /// <summary>Whether a table without it is incomplete.</summary>
    public bool Required { get; init; }

    /// <summary>
    /// The key of another field in whose place this one stands: with that one it is neither required nor allowed; null: of none.
    /// </summary>
    public IReadOnlyList<string>? Unless { get; init; }

    /// <summary>A value as it may be written: "2400 mm".</summary>
    public string Example { get; init; } = "";

    /// <summary>Whether plinth.toml holds it under the same key among what is the kind's own.</summary>
    public bool HeldByKey { get; init; }

    /// <summary>Of a word: what is wrong with it; null: nothing.</summary>
    public Func<string, string?> IsWord { get; init; } = _ => null;

    /// <summary>Its value in a design; null: it is not written.</summary>
    public required Func<FoundationDesign, FieldValue?> Get { get; init; }

    /// <summary>A design with a value.</summary>
    public required Func<FoundationDesign, FieldValue, FoundationDesign> Put { get; init; }

    /// <summary>What plinth.toml states of it; null: nothing.</summary>
    public Func<Foundation, FoundationDesign, HeldField?> Held { get; init; } = (_, _) => null;

    /// <summary>Whether results tell of it as a size or as bars: else they do so in another way.</summary>
    public bool Listed { get; init; } = true;

    /// <summary>Bars as they lie: two specifications that give the same are no contradiction. Null: they are compared as written.</summary>
    public Func<Foundation, FoundationDesign, BarSpec, BarLayer>? Layer { get; init; }

    private static string Quoted(string part) =>
        part.Length > 0 && part.All(c => char.IsAsciiLetterOrDigit(c) || c is '-' or '_')
            ? part
            : "\"" + part.Replace("\\", "\\\\", StringComparison.Ordinal).Replace("\"", "\\\"", StringComparison.Ordinal) + "\"";
}
