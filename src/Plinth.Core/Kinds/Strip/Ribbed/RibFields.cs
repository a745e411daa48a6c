using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strip;

/// <summary>The fields of the design of a strip with a rib, in the order in which they are written.</summary>
internal static class RibFields
{
    /// <summary>What plinth.toml holds of the rib: "rib".</summary>
    public const string RibKey = "rib";

    /// <summary>Makes those of a strip under some supports.</summary>
    public static IReadOnlyList<DesignField> Make(IReadOnlyList<string> supports) =>
    [
        new("ends", FieldForm.Widths)
        {
            Required = true,
            Example = "[\"600 mm\", \"600 mm\"]",
            Get = d => Of(d).Ends is var (low, high) && low == high ? new FieldValue.Length(Of(d).Ends.Low)
                : new FieldValue.Ends(Of(d).Ends.Low, Of(d).Ends.High),
            Put = (d, v) => v is FieldValue.Ends e ? Of(d).With(e.Low, e.High)
                : Of(d).With(((FieldValue.Length)v).Metres, ((FieldValue.Length)v).Metres),
            Held = (f, _) => HeldEnds(f.Held) is var (low, high)
                ? new HeldField(low == high ? new FieldValue.Length(low) : new FieldValue.Ends(low, high), "ends") : null,
        },
        new("width", FieldForm.Length)
        {
            Required = true,
            Example = "\"1400 mm\"",
            Get = d => new FieldValue.Length(d.Size.Width),
            Put = (d, v) => d with { Size = d.Size with { Width = ((FieldValue.Length)v).Metres } },
            Held = (f, _) => f.Held.Width is { } held ? new HeldField(new FieldValue.Length(held), "width") : null,
        },
        SharedFields.Thickness(),
        new(RibKey, FieldForm.Widths)
        {
            Required = true,
            Example = "[\"400 mm\", \"900 mm\"]",
            Get = d => new FieldValue.Ends(Of(d).Rib.Width, Of(d).Rib.Depth),
            Put = (d, v) => v is FieldValue.Ends e
                ? Of(d) with { Rib = Of(d).Rib with { Width = e.Low, Depth = e.High } }
                : Of(d) with { Rib = Of(d).Rib with { Width = ((FieldValue.Length)v).Metres } },
            Held = (f, d) => f.Held.Own.GetValueOrDefault(RibKey) switch
            {
                FieldValue.Ends both => new HeldField(both, RibKey),

                // Only its breadth: its depth is what it is.
                FieldValue.Length breadth => new HeldField(new FieldValue.Ends(breadth.Metres, Of(d).Rib.Depth), RibKey),
                _ => null,
            },
        },
        Bars("bottom-x", true, d => d.Rib.Bottom, (d, b) => d with { Rib = d.Rib with { Bottom = b } }, null),
        Bars("top-x", true, d => d.Rib.Top, (d, b) => d with { Rib = d.Rib with { Top = b } }, null),
        Bars("stirrups", true, d => d.Rib.Stirrups, (d, b) => d with { Rib = d.Rib with { Stirrups = b } }, null) with
        {
            Form = FieldForm.Shaft,
            Example = "\"T10 @ 200 mm\"",
            Get = d => Of(d).Rib.Stirrups is { Size: not null } bars ? new FieldValue.Bars(bars) : null,
        },
        Bars("sides", false, d => d.Rib.Sides, (d, b) => d with { Rib = d.Rib with { Sides = b } }, null) with
        {
            Form = FieldForm.Shaft,
            Get = d => Of(d).Rib.Sides is { Size: not null } bars ? new FieldValue.Bars(bars) : null,
        },
        Bars("flange", true, d => d.Flange, (d, b) => d with { Flange = b }, null) with { Example = "\"3 T12\"" },
        Bars("bottom-y", true, d => d.BottomY, (d, b) => d with { BottomY = b }, d => d.Size.Length) with { Example = "\"T12 @ 200 mm\"" },
        Bars("top-y", false, d => d.TopY, (d, b) => d with { TopY = b }, d => d.Size.Length),
        .. supports.SelectMany((s, i) => SharedFields.Upright(["at", s], i, (d, u) => Of(d).With(i, u))),
        .. StirrupFields.Make(supports),
        .. ExtraFields.Make(supports, d => Of(d).Extra, (d, e) => Of(d) with { Extra = e }),
    ];

    /// <summary>The ends that are held, m; null: open.</summary>
    public static (double Low, double High)? HeldEnds(HeldValues held) =>
        held is { EdgeX0: { AtColumn: false } low, EdgeX1: { AtColumn: false } high } ? (low.Distance, high.Distance) : null;

    /// <summary>The breadth and, where it is held, the whole depth of the rib, m.</summary>
    public static (double Breadth, double? Depth) HeldRib(HeldValues held) => held.Own.GetValueOrDefault(RibKey) switch
    {
        FieldValue.Ends both => (both.Low, both.High),
        FieldValue.Length breadth => (breadth.Metres, null),
        _ => default,
    };

    /// <summary>Bars that are held; null: open.</summary>
    public static BarSpec? Held(HeldValues held, string key) => key switch
    {
        "bottom-x" => held.BottomX,
        "top-x" => held.TopX,
        "top-y" => held.TopY,
        _ => held.Own.GetValueOrDefault(key) is FieldValue.Bars bars ? bars.Spec : null,
    };

    private static RibDesign Of(FoundationDesign d) => (RibDesign)d;

    private static DesignField Bars(string key, bool required, Func<RibDesign, BarSpec> get, Func<RibDesign, BarSpec, RibDesign> put,
        Func<FoundationDesign, double>? breadth) => new(key, FieldForm.Bars)
        {
            Required = required,
            HeldByKey = key is "stirrups" or "sides" or "flange" or "bottom-y",
            Example = "\"5 T20\"",
            Get = d => new FieldValue.Bars(get(Of(d))),
            Put = (d, v) => put(Of(d), ((FieldValue.Bars)v).Spec),
            Held = (f, _) => Held(f.Held, key) is { } stated ? new HeldField(new FieldValue.Bars(stated), key) : null,
            Layer = breadth is null ? null : (f, d, spec) => spec.Resolve(breadth(d), f.Rules.Concrete.CoverSide),
        };
}
