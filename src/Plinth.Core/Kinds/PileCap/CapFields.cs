using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>The fields of a cap's design, in the order in which they are written.</summary>
internal static class CapFields
{
    private const string Layout = "layout";
    private const string Turned = "turned";
    private const string Spacing = "spacing";
    private const string SideLinks = "sides";

    /// <summary>The key of a hexagon's distance from piles to edges.</summary>
    private static readonly string[] ToEdge = ["to-edge"];

    /// <summary>The key of own places.</summary>
    private static readonly string[] At = ["piles", "at"];

    private static readonly IReadOnlyList<DesignField> OfOne = [.. Own(),
        .. SharedFields.Upright([], 0, (d, u) => ((CapDesign)d).With(0, u)), .. OfPiles()];

    /// <summary>Makes them.</summary>
    /// <param name="supports">Labels of the supports, in order.</param>
    public static IReadOnlyList<DesignField> Make(IReadOnlyList<string> supports) => supports.Count == 1 ? OfOne
        : [.. Own(), .. supports.SelectMany((s, i) => SharedFields.Upright(["at", s], i, (d, u) => ((CapDesign)d).With(i, u))),
            .. OfPiles()];

    /// <summary>The layout that plinth.toml holds; null: open.</summary>
    public static string? HeldLayout(HeldValues held) => held.Own.GetValueOrDefault(Layout) is FieldValue.Word word ? word.Text : null;

    /// <summary>The quarter turns of the layout that plinth.toml holds; null: open.</summary>
    public static int? HeldTurns(HeldValues held) => held.Own.GetValueOrDefault(Turned) is FieldValue.Turn turn ? turn.Quarters : null;

    /// <summary>The distance of centres that plinth.toml holds, m; null: open.</summary>
    public static double? HeldPitch(HeldValues held) =>
        held.Own.GetValueOrDefault(Spacing) is FieldValue.Length length ? length.Metres : null;

    /// <summary>The distance of a hexagon's edges from its piles that plinth.toml holds, m; null: open.</summary>
    public static double? HeldToEdge(HeldValues held) =>
        held.Own.GetValueOrDefault(ToEdge[0]) is FieldValue.Length length ? length.Metres : null;

    /// <summary>The bars along the sides that plinth.toml holds; null: none.</summary>
    public static BarSpec? HeldSides(HeldValues held) => held.Own.GetValueOrDefault(SideLinks) is FieldValue.Bars bars ? bars.Spec : null;

    private static DesignField[] Own() =>
    [
        new(Layout, FieldForm.Word)
        {
            Required = true,
            Unless = At,
            Example = "\"4\"",
            HeldByKey = true,
            IsWord = PileLayout.Fault,
            Get = d => ((CapDesign)d).Own.IsEmpty ? new FieldValue.Word(((CapDesign)d).Layout) : null,
            Put = (d, v) => (CapDesign)d is { ToEdge: not null } hexagon && ((FieldValue.Word)v).Text != CapPlan.OfThree
                ? hexagon with { Layout = ((FieldValue.Word)v).Text, ToEdge = null }
                : ((CapDesign)d with { Layout = ((FieldValue.Word)v).Text }).Shaped(),
            Held = (f, _) => HeldLayout(f.Held) is { } held ? new HeldField(new FieldValue.Word(held), Layout) : null,
        },
        new(Turned, FieldForm.Turn)
        {
            Unless = At,
            HeldByKey = true,
            Get = d => ((CapDesign)d).Turns == 0 ? null : new FieldValue.Turn(((CapDesign)d).Turns),
            Put = (d, v) => ((CapDesign)d with { Turns = ((FieldValue.Turn)v).Quarters }).Shaped(),
            Held = (f, _) => HeldTurns(f.Held) is { } held ? new HeldField(new FieldValue.Turn(held), Turned) : null,
        },
        Length(Spacing, "\"1350 mm\"", d => d.Pitch, (d, v) => (d with { Pitch = v }).Shaped(), f => HeldPitch(f.Held), true) with
        {
            Unless = At,
            Get = d => ((CapDesign)d).Own.IsEmpty ? new FieldValue.Length(((CapDesign)d).Pitch) : null,
        },
        Length(ToEdge[0], "\"400 mm\"", d => d.ToEdge ?? 0, (d, v) => (d with { ToEdge = v }).Shaped(), f => HeldToEdge(f.Held), true) with
        {
            Required = false,
            Get = d => ((CapDesign)d).ToEdge is { } edge ? new FieldValue.Length(edge) : null,
        },
        Side("length", d => d.Size.Length, (d, v) => d with { Size = d.Size with { Length = v } }, f => f.Held.Length),
        Side("width", d => d.Size.Width, (d, v) => d with { Size = d.Size with { Width = v } }, f => f.Held.Width),
        SharedFields.Thickness(),
        Offset("offset-x", d => d.Offset.X, (d, v) => d with { Offset = d.Offset with { X = v } }, h => h.OffsetXGiven ? h.OffsetX : null),
        Offset("offset-y", d => d.Offset.Y, (d, v) => d with { Offset = d.Offset with { Y = v } }, h => h.OffsetYGiven ? h.OffsetY : null),
        Bars("bottom-x", true, d => d.BottomX, (d, b) => d with { BottomX = b }, h => h.BottomX),
        Bars("bottom-y", true, d => d.BottomY, (d, b) => d with { BottomY = b }, h => h.BottomY),
        Bars("top-x", false, d => d.TopX, (d, b) => d with { TopX = b }, h => h.TopX),
        Bars("top-y", false, d => d.TopY, (d, b) => d with { TopY = b }, h => h.TopY),
        new(SideLinks, FieldForm.Shaft)
        {
            HeldByKey = true,
            Get = d => ((CapDesign)d).Sides is { Size: not null } links ? new FieldValue.Bars(links) : null,
            Put = (d, v) => (CapDesign)d with { Sides = ((FieldValue.Bars)v).Spec },
            Held = (f, _) => HeldSides(f.Held) is { } held ? new HeldField(new FieldValue.Bars(held), SideLinks) : null,
        },
    ];

    private static DesignField[] OfPiles() =>
    [
        new(At, FieldForm.Places)
        {
            Get = d => ((CapDesign)d).Own is { IsEmpty: false } own ? new FieldValue.Places(own) : null,
            Put = (d, v) => ((CapDesign)d).Standing(((FieldValue.Places)v).Points),
            Held = (f, _) => f.Rules.Piles.At is { Count: > 0 } held ? new HeldField(new FieldValue.Places(held), "piles.at") : null,
        },
        new(["piles", "length"], FieldForm.Length)
        {
            Get = d => ((CapDesign)d).PileLength is { } length ? new FieldValue.Length(length) : null,
            Put = (d, v) => (CapDesign)d with { PileLength = ((FieldValue.Length)v).Metres },
            Held = (f, _) => f.Rules.Piles.Length is { } held ? new HeldField(new FieldValue.Length(held), "[piles] length") : null,
        },
        Shaft("bars", d => d.PileBars, (d, b) => d with { PileBars = b }, r => r.Bars),
        Shaft("ties", d => d.PileTies, (d, b) => d with { PileTies = b }, r => r.Ties),
    ];

    private static DesignField Length(string key, string example, Func<CapDesign, double> get, Func<CapDesign, double, CapDesign> put,
        Func<Foundation, double?> held, bool own) => new(key, FieldForm.Length)
        {
            Required = true,
            Example = example,
            HeldByKey = own,
            Get = d => new FieldValue.Length(get((CapDesign)d)),
            Put = (d, v) => put((CapDesign)d, ((FieldValue.Length)v).Metres),
            Held = (f, _) => held(f) is { } stated ? new HeldField(new FieldValue.Length(stated), key) : null,
        };

    private static DesignField Side(string key, Func<CapDesign, double> get, Func<CapDesign, double, CapDesign> put,
        Func<Foundation, double?> held) => Length(key, "\"2100 mm\"", get, put, held, false) with
        {
            Unless = ToEdge,
            Get = d => ((CapDesign)d).ToEdge is null ? new FieldValue.Length(get((CapDesign)d)) : null,
        };

    private static DesignField Offset(string key, Func<CapDesign, double> get, Func<CapDesign, double, CapDesign> put,
        Func<HeldValues, double?> held) => new(key, FieldForm.Shift)
        {
            Unless = At,
            Get = d => get((CapDesign)d) == 0 || !((CapDesign)d).Own.IsEmpty ? null : new FieldValue.Length(get((CapDesign)d)),
            Put = (d, v) => put((CapDesign)d, ((FieldValue.Length)v).Metres),
            Held = (f, _) => held(f.Held) is { } stated ? new HeldField(new FieldValue.Length(stated), key) : null,
        };

    private static DesignField Bars(string key, bool required, Func<CapDesign, BarSpec> get, Func<CapDesign, BarSpec, CapDesign> put,
        Func<HeldValues, BarSpec?> held) => new(key, FieldForm.Bars)
        {
            Required = required,
            Example = "\"10 T20\"",
            Get = d => new FieldValue.Bars(get((CapDesign)d)),
            Put = (d, v) => put((CapDesign)d, ((FieldValue.Bars)v).Spec),
            Held = (f, _) => held(f.Held) is { } stated ? new HeldField(new FieldValue.Bars(stated), key) : null,
            Layer = (f, d, spec) => spec.Resolve(((CapDesign)d).MatBreadth(key[^1] == 'x'), f.Rules.Concrete.CoverSide),
        };

    private static DesignField Shaft(string key, Func<CapDesign, BarSpec> get, Func<CapDesign, BarSpec, CapDesign> put,
        Func<PileRules, BarSpec?> held) => new(["piles", key], FieldForm.Shaft)
        {
            Get = d => get((CapDesign)d) is { Size: not null } bars ? new FieldValue.Bars(bars) : null,
            Put = (d, v) => put((CapDesign)d, ((FieldValue.Bars)v).Spec),
            Held = (f, _) => held(f.Rules.Piles) is { } stated ? new HeldField(new FieldValue.Bars(stated), "[piles] " + key) : null,
        };
}
