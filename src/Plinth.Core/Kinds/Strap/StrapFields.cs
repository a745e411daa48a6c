using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strap;

/// <summary>The fields of a strap footing's design, in the order in which they are written.</summary>
internal static class StrapFields
{
    /// <summary>The tables in which its parts stand.</summary>
    public static readonly string[] Parts = ["edge", "inner", Beam];

    private const string Beam = "beam";

    // What the beam's reach is called where it runs over the whole inner base, and where it stops at the column.
    private const string OverBase = "base";
    private const string ToColumn = "column";

    /// <summary>Makes those of a strap under two supports.</summary>
    public static IReadOnlyList<DesignField> Make(IReadOnlyList<string> supports) =>
    [
        .. OfBase(0), .. OfBase(1), .. OfBeam(),
        .. supports.SelectMany((s, i) => SharedFields.Upright(["at", s], i, (d, u) => ((StrapDesign)d).With(i, u))),
    ];

    /// <summary>A length that plinth.toml holds of a part, m; null: open.</summary>
    public static double? Length(HeldValues held, string part, string key) =>
        held.Own.GetValueOrDefault($"{part}.{key}") is FieldValue.Length length ? length.Metres : null;

    /// <summary>Bars that plinth.toml holds of a part; null: open.</summary>
    public static BarSpec? Bars(HeldValues held, string part, string key) =>
        held.Own.GetValueOrDefault($"{part}.{key}") is FieldValue.Bars bars ? bars.Spec : null;

    /// <summary>Whether plinth.toml has the beam stop at the inner column.</summary>
    public static bool StopsAtColumn(HeldValues held) => held.Own.GetValueOrDefault("beam.reach") is FieldValue.Word { Text: ToColumn };

    private static IEnumerable<DesignField> OfBase(int part)
    {
        StrapBase Of(FoundationDesign d) => ((StrapDesign)d).Base(part);
        StrapDesign With(FoundationDesign d, StrapBase other) => ((StrapDesign)d).WithBase(part, other);
        yield return Measure(Parts[part], "length", "\"1500 mm\"", d => Of(d).Length, (d, v) => With(d, Of(d) with { Length = v }));
        yield return Measure(Parts[part], "width", "\"3000 mm\"", d => Of(d).Width, (d, v) => With(d, Of(d) with { Width = v }));
        yield return Measure(Parts[part], "thickness", "\"600 mm\"", d => Of(d).Thickness, (d, v) => With(d, Of(d) with { Thickness = v }));
        yield return Layer(Parts[part], "bottom-x", true, d => Of(d).BottomX, (d, b) =>
            With(d, Of(d) with { BottomX = b }), d => Of(d).Width);
        yield return Layer(Parts[part], "bottom-y", true, d => Of(d).BottomY, (d, b) =>
            With(d, Of(d) with { BottomY = b }), d => Of(d).Length);
        yield return Layer(Parts[part], "top-x", false, d => Of(d).TopX, (d, b) => With(d, Of(d) with { TopX = b }), d => Of(d).Width);
        yield return Layer(Parts[part], "top-y", false, d => Of(d).TopY, (d, b) => With(d, Of(d) with { TopY = b }), d => Of(d).Length);
    }

    private static IEnumerable<DesignField> OfBeam()
    {
        static BeamDesign Of(FoundationDesign d) => ((StrapDesign)d).Beam;
        static StrapDesign With(FoundationDesign d, BeamDesign other) =>
            ((StrapDesign)d).With(((StrapDesign)d).Edge, ((StrapDesign)d).Inner, other);
        yield return Measure(Beam, "width", "\"500 mm\"", d => Of(d).Width, (d, v) => With(d, Of(d) with { Width = v }));
        yield return Measure(Beam, "depth", "\"900 mm\"", d => Of(d).Depth, (d, v) => With(d, Of(d) with { Depth = v }));
        yield return Measure(Beam, "gap", "\"100 mm\"", d => Of(d).Gap, (d, v) => With(d, Of(d) with { Gap = v }));
        yield return new([Beam, "reach"], FieldForm.Word)
        {
            IsWord = w => w is OverBase or ToColumn ? null
                : $"beam.reach \"{w}\" is neither \"{OverBase}\", over the whole inner base, nor \"{ToColumn}\", to the "
                + $"inner column's outer face",
            Get = d => Of(d).OverBase ? null : new FieldValue.Word(ToColumn),
            Put = (d, v) => With(d, Of(d) with { OverBase = ((FieldValue.Word)v).Text == OverBase }),
            Held = (f, d) => StopsAtColumn(f.Held) ? new HeldField(new FieldValue.Word(ToColumn), "beam.reach") : null,
        };
        yield return Layer(Beam, "top", true, d => Of(d).Top, (d, b) => With(d, Of(d) with { Top = b }), null);
        yield return Layer(Beam, "bottom", true, d => Of(d).Bottom, (d, b) => With(d, Of(d) with { Bottom = b }), null);
        yield return Layer(Beam, "stirrups", true, d => Of(d).Stirrups, (d, b) => With(d, Of(d) with { Stirrups = b }), null) with
        {
            Form = FieldForm.Shaft,
            Example = "\"T10 @ 200 mm\"",
            Get = d => Of(d).Stirrups is { Size: not null } bars ? new FieldValue.Bars(bars) : null,
        };
        yield return Layer(Beam, "sides", false, d => Of(d).Sides, (d, b) => With(d, Of(d) with { Sides = b }), null) with
        {
            Form = FieldForm.Shaft,
            Get = d => Of(d).Sides is { Size: not null } bars ? new FieldValue.Bars(bars) : null,
        };
    }

    private static DesignField Measure(string part, string key, string example, Func<FoundationDesign, double> get,
        Func<FoundationDesign, double, StrapDesign> put) => new([part, key], FieldForm.Length)
        {
            Required = true,
            Example = example,
            Get = d => new FieldValue.Length(get(d)),
            Put = (d, v) => put(d, ((FieldValue.Length)v).Metres),
            Held = (f, _) => f.Held.Own.GetValueOrDefault($"{part}.{key}") is { } held ? new HeldField(held, $"{part}.{key}") : null,
        };

    private static DesignField Layer(string part, string key, bool required, Func<FoundationDesign, BarSpec> get,
        Func<FoundationDesign, BarSpec, StrapDesign> put, Func<FoundationDesign, double>? breadth) => new([part, key], FieldForm.Bars)
        {
            Required = required,
            Example = "\"10 T16\"",
            Get = d => new FieldValue.Bars(get(d)),
            Put = (d, v) => put(d, ((FieldValue.Bars)v).Spec),
            Held = (f, _) => f.Held.Own.GetValueOrDefault($"{part}.{key}") is { } held ? new HeldField(held, $"{part}.{key}") : null,
            Layer = breadth is null ? null : (f, d, spec) => spec.Resolve(breadth(d), f.Rules.Concrete.CoverSide),
        };
}
