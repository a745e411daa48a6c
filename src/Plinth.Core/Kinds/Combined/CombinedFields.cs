using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>The fields of a combined footing's design, in the order in which they are written.</summary>
internal static class CombinedFields
{
    /// <summary>Makes those of a base under some supports.</summary>
    public static IReadOnlyList<DesignField> Make(IReadOnlyList<string> supports) =>
    [
        new("length", FieldForm.Length)
        {
            Required = true,
            Example = "\"6200 mm\"",
            Get = d => new FieldValue.Length(d.Size.Length),
            Put = (d, v) => d with { Size = d.Size with { Length = ((FieldValue.Length)v).Metres } },
            Held = (f, d) => Place(f, d).HeldLength(f.Held) is { } held
                ? new HeldField(new FieldValue.Length(held), f.Held.Length is null ? "edge-x0 and edge-x1, together" : "length")
                : null,
        },
        new("width", FieldForm.Widths)
        {
            Required = true,
            Example = "\"2400 mm\"",
            Get = d => Widths(d.Size.Width, d.EndWidth),
            Put = (d, v) => v is FieldValue.Ends e
                ? (CombinedDesign)d with { Size = d.Size with { Width = e.Low }, HighWidth = e.High }
                : (CombinedDesign)d with { Size = d.Size with { Width = ((FieldValue.Length)v).Metres },
                    HighWidth = ((FieldValue.Length)v).Metres },
            Held = (f, d) => Place(f, d).HeldWidth(f.Held) is { } held
                ? new HeldField(Widths(held, f.Held.EndWidth ?? held), f.Held.Width is null ? "edge-y0 and edge-y1, together" : "width")
                : null,
        },
        SharedFields.Thickness(),
        Offset("offset-x", d => d.Offset.X, (d, v) => d with { Offset = d.Offset with { X = v } }, o => o.X),
        Offset("offset-y", d => d.Offset.Y, (d, v) => d with { Offset = d.Offset with { Y = v } }, o => o.Y),
        Bars(["bottom-x"], true, d => d.BottomX, (d, b) => d with { BottomX = b }, f => f.Held.BottomX,
            d => Math.Max(d.Size.Width, d.HighWidth)),
        Bars(["top-x"], false, d => d.TopX, (d, b) => d with { TopX = b }, f => f.Held.TopX, d => Math.Max(d.Size.Width, d.HighWidth)),
        .. supports.Select((s, i) => Bars(["bottom-y", "at", s], false, d => d.At[i].Band, (d, b) => d.With(i, d.At[i] with { Band = b }),
            null, null)),
        Bars(["bottom-y", "rest"], false, d => d.Rest, (d, b) => d with { Rest = b }, null, null),
        Bars(["top-y"], false, d => d.TopY, (d, b) => d with { TopY = b }, f => f.Held.TopY, d => d.Size.Length),
        .. supports.SelectMany((s, i) => SharedFields.Upright(["at", s], i,
            (d, u) => ((CombinedDesign)d).With(i, ((CombinedDesign)d).At[i] with { Upright = u }))),
    ];

    /// <summary>The bars across at a column that plinth.toml holds; null: open.</summary>
    public static BarSpec? HeldBand(HeldValues held, string support) => Held(held, "bottom-y.at." + support);

    /// <summary>The bars across between the bands that plinth.toml holds; null: open.</summary>
    public static BarSpec? HeldRest(HeldValues held) => Held(held, "bottom-y.rest");

    private static BarSpec? Held(HeldValues held, string key) => held.Own.GetValueOrDefault(key) is FieldValue.Bars bars ? bars.Spec : null;

    private static FieldValue Widths(double low, double high) => low == high ? new FieldValue.Length(low) : new FieldValue.Ends(low, high);

    private static CombinedPlace Place(Foundation f, FoundationDesign d) => new(f.Places[0], i => d.Under(i).Pedestal);

    private static DesignField Offset(string key, Func<CombinedDesign, double> get, Func<CombinedDesign, double, CombinedDesign> put,
        Func<(double? X, double? Y), double?> held) => new(key, FieldForm.Shift)
        {
            Get = d => get((CombinedDesign)d) == 0 ? null : new FieldValue.Length(get((CombinedDesign)d)),
            Put = (d, v) => put((CombinedDesign)d, ((FieldValue.Length)v).Metres),
            Held = (f, d) => held(Place(f, d).HeldOffset(f.Held, d.Size.Length, d.Size.Width, d.EndWidth)) is { } offset
                ? new HeldField(new FieldValue.Length(offset),
                    (key == "offset-x" ? f.Held.OffsetXGiven : f.Held.OffsetYGiven) ? key : $"the held edges along {key[^1]}") : null,
        };

    private static DesignField Bars(IReadOnlyList<string> path, bool required, Func<CombinedDesign, BarSpec> get,
        Func<CombinedDesign, BarSpec, CombinedDesign> put, Func<Foundation, BarSpec?>? held, Func<CombinedDesign, double>? breadth)
    {
        var across = path.Count > 1;
        return new(path, FieldForm.Bars)
        {
            Required = required,
            Example = "\"13 T16\"",
            Get = d => get((CombinedDesign)d) is var bars && across && bars.Size is null ? null : new FieldValue.Bars(bars),
            Put = (d, v) => put((CombinedDesign)d, ((FieldValue.Bars)v).Spec),
            Held = held is not null
                ? (f, _) => held(f) is { } stated ? new HeldField(new FieldValue.Bars(stated), path[0]) : null
                : (f, _) => f.Held.Own.GetValueOrDefault(string.Join('.', path)) is { } own
                    ? new HeldField(own, string.Join('.', path))
                    : null,
            Layer = breadth is null ? null : (f, d, spec) => spec.Resolve(breadth((CombinedDesign)d), f.Rules.Concrete.CoverSide),
        };
    }
}
