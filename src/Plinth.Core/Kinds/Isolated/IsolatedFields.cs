using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>The fields of an isolated footing's design, in the order in which they are written.</summary>
internal static class IsolatedFields
{
    /// <summary>Makes them.</summary>
    public static IReadOnlyList<DesignField> Make() =>
    [
        Side("length", "\"2400 mm\"", s => s.Length, (s, v) => s with { Length = v }, h => h.Length, h => (h.EdgeX0, h.EdgeX1),
            o => o.FaceX),
        Side("width", "\"2400 mm\"", s => s.Width, (s, v) => s with { Width = v }, h => h.Width, h => (h.EdgeY0, h.EdgeY1), o => o.FaceY),
        SharedFields.Thickness(),
        Bars("bottom-x", true, d => d.BottomX, (d, b) => d with { BottomX = b }, h => h.BottomX, s => s.Width),
        Bars("bottom-y", true, d => d.BottomY, (d, b) => d with { BottomY = b }, h => h.BottomY, s => s.Length),
        Bars("top-x", false, d => d.TopX, (d, b) => d with { TopX = b }, h => h.TopX, s => s.Width),
        Bars("top-y", false, d => d.TopY, (d, b) => d with { TopY = b }, h => h.TopY, s => s.Length),
        Shift("shift-x", s => s.ShiftX, (s, v) => s with { ShiftX = v }),
        Shift("shift-y", s => s.ShiftY, (s, v) => s with { ShiftY = v }),
        .. SharedFields.Upright([], 0, (d, u) => (IsolatedDesign)d with { Pedestal = u.Pedestal, Dowels = u.Dowels }),
    ];

    private static DesignField Side(string key, string example, Func<BaseSize, double> get, Func<BaseSize, double, BaseSize> put,
        Func<HeldValues, double?> held, Func<HeldValues, (HeldEdge?, HeldEdge?)> edges, Func<ColumnOutline, double> face) =>
        new(key, FieldForm.Length)
        {
            Required = true,
            Example = example,
            Get = d => new FieldValue.Length(get(d.Size)),
            Put = (d, v) => d with { Size = put(d.Size, ((FieldValue.Length)v).Metres) },
            Held = (f, d) => held(f.Held) is { } stated ? new HeldField(new FieldValue.Length(stated), key)
                : edges(f.Held) is var (low, high)
                    && BaseGeometry.HeldSide(low, high, face(BaseGeometry.Outline(f.Places[0], d.Under(0).Pedestal))) is { } side
                    ? new HeldField(new FieldValue.Length(side),
                        $"edge-{(key == "length" ? "x0 and edge-x1" : "y0 and edge-y1")}, together")
                : null,
        };

    private static DesignField Bars(string key, bool required, Func<IsolatedDesign, BarSpec> get,
        Func<IsolatedDesign, BarSpec, IsolatedDesign> put, Func<HeldValues, BarSpec?> held, Func<BaseSize, double> breadth) =>
        new(key, FieldForm.Bars)
        {
            Required = required,
            Example = "\"13 T16\"",
            Get = d => new FieldValue.Bars(get((IsolatedDesign)d)),
            Put = (d, v) => put((IsolatedDesign)d, ((FieldValue.Bars)v).Spec),
            Held = (f, _) => held(f.Held) is { } stated ? new HeldField(new FieldValue.Bars(stated), key) : null,
            Layer = (f, d, spec) => spec.Resolve(breadth(d.Size), f.Rules.Concrete.CoverSide),
        };

    private static DesignField Shift(string key, Func<BaseSize, double> get, Func<BaseSize, double, BaseSize> put) =>
        new(key, FieldForm.Shift)
        {
            Get = d => get(d.Size) == 0 ? null : new FieldValue.Length(get(d.Size)),
            Put = (d, v) => d with { Size = put(d.Size, ((FieldValue.Length)v).Metres) },
        };
}
