using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strip;

/// <content>The last steps: whatever is a step smaller than what was found and passes for less is taken.</content>
internal sealed partial class RibSizer
{
    // A step off one end alone, or of one size, may still pass: it is taken while it makes the strip cheaper.
    private (RibDesign Design, double Cost) Trimmed(RibDesign design, double cost)
    {
        for (var again = true; again;)
        {
            again = false;
            foreach (var smaller in Smaller(design))
            {
                if (!Fails(smaller) && Barred(smaller) is { } found && found.Cost < cost * Near)
                {
                    (design, cost, again) = (found.Design, found.Cost, true);
                    steps.Add(new SizingStep("cheaper", design.Size));
                    break;
                }
            }
        }

        return (design, cost);
    }

    private IEnumerable<RibDesign> Smaller(RibDesign d)
    {
        var (plan, thin) = (rules.PlanStep, rules.ThicknessStep);
        double Less(double v, double step) => Math.Round(v - step, 6);
        if (RibFields.HeldEnds(Foundation.Held) is null)
        {
            if (d.Ends.Low - plan >= least.Low - 1e-9)
            {
                yield return d.With(Less(d.Ends.Low, plan), d.Ends.High);
            }

            if (d.Ends.High - plan >= least.High - 1e-9)
            {
                yield return d.With(d.Ends.Low, Less(d.Ends.High, plan));
            }
        }

        if (Foundation.Held.Width is null && d.Size.Width - plan >= widths[0] - 1e-9)
        {
            yield return d with { Size = d.Size with { Width = Less(d.Size.Width, plan) } };
        }

        if (Foundation.Held.Thickness is null && d.Size.Thickness - thin >= rules.LeastThickness - 1e-9)
        {
            yield return d with { Size = d.Size with { Thickness = Less(d.Size.Thickness, thin) } };
        }

        if (RibFields.HeldRib(Foundation.Held).Depth is null && d.Rib.Depth - thin > d.Size.Thickness + 1e-9)
        {
            yield return d with { Rib = d.Rib with { Depth = Less(d.Rib.Depth, thin) } };
        }
    }
}
