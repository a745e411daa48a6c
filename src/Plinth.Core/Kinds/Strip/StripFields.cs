using Plinth.Core.Kinds.Combined;

namespace Plinth.Core.Kinds.Strip;

/// <summary>The fields of a strip's design, in the order in which they are written: its ends in place of length and offset along.</summary>
internal static class StripFields
{
    /// <summary>Makes those of a strip under some supports.</summary>
    public static IReadOnlyList<DesignField> Make(IReadOnlyList<string> supports) =>
    [
        new("ends", FieldForm.Widths)
        {
            Required = true,
            Example = "[\"600 mm\", \"600 mm\"]",
            Get = d => ((StripDesign)d).Ends is var (low, high) && low == high
                ? new FieldValue.Length(low)
                : new FieldValue.Ends(((StripDesign)d).Ends.Low, ((StripDesign)d).Ends.High),
            Put = (d, v) => v is FieldValue.Ends e
                ? ((StripDesign)d).With(e.Low, e.High)
                : ((StripDesign)d).With(((FieldValue.Length)v).Metres, ((FieldValue.Length)v).Metres),
            Held = (f, d) => f.Held is { EdgeX0: not null, EdgeX1: not null }
                && new CombinedPlace(f.Places[0], i => d.Under(i).Pedestal) is var plan
                ? new HeldField(Both(plan.First.X - plan.EdgeX0(f.Held)!.Value, plan.EdgeX1(f.Held)!.Value - plan.Last.X),
                    f.Held is { EdgeX0.AtColumn: false, EdgeX1.AtColumn: false } ? "ends" : "edge-x0 and edge-x1, together")
                : null,
        },
        .. CombinedFields.Make(supports).Where(f => f.Path is not ["length"] and not ["offset-x"])
            .Select(f => f.Path is ["width"] ? f with { Form = FieldForm.Length } : f),
        .. ExtraFields.Make(supports, d => ((StripDesign)d).Extra, (d, e) => (StripDesign)d with { Extra = e }),
    ];

    private static FieldValue Both(double low, double high) =>
        Math.Abs(low - high) < 1e-9 ? new FieldValue.Length(low) : new FieldValue.Ends(low, high);
}
