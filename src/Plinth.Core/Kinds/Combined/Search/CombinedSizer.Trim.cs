namespace Plinth.Core.Kinds.Combined;

/// <content>The last steps: whatever is a step smaller than what was found and passes for less is taken.</content>
internal sealed partial class CombinedSizer
{
    private (CombinedDesign Design, double Cost) Trimmed((CombinedDesign Design, double Cost) best)
    {
        for (var again = true; again;)
        {
            again = false;
            foreach (var (plan, t) in Smaller(best.Design))
            {
                if (Asked(plan, t) is { } made && made.Cost < best.Cost - 1e-9)
                {
                    // With what it failed under looked at too other bars may pass.
                    made = AllAllow(made.Design) ? made : Asked(plan, t) is { } other && AllAllow(other.Design) ? other : best;
                }
                else
                {
                    continue;
                }

                if (made.Cost < best.Cost - 1e-9)
                {
                    steps.Add(new Sizing.SizingStep("cheaper", made.Design.Size));
                    (best, again) = (made, true);
                    break;
                }
            }
        }

        return best;
    }

    // Anew, where it was told by what another lacked.
    private (CombinedDesign Design, double Cost)? Asked(in CombinedPlan plan, int t)
    {
        search.Forget();
        complete.Remove((plan, t));
        return Pedestals(t) is { } standing && Set(plan, t, standing) is { } offset && !planChecks.Fail()
            ? Complete(plan, t, offset, BarBudget.Any)
            : null;
    }

    // The length a step shorter; one that was read back has lost what the plans' own has in fractions of a step, by which columns stand.
    private double Shorter(double length)
    {
        var i = Array.FindIndex(plans.Lengths, l => Math.Abs(l - length) < 1e-5);
        return i > 0 ? plans.Lengths[i - 1] : length - Foundation.Rules.Sizing.PlanStep;
    }

    private IEnumerable<(CombinedPlan Plan, int Thickness)> Smaller(CombinedDesign d)
    {
        var (rules, t) = (Foundation.Rules.Sizing, Array.FindIndex(thicknesses, h => Math.Abs(h - d.Size.Thickness) < 1e-9));
        double Less(double side) => Math.Round(side - rules.PlanStep, 6);
        static CombinedPlan Plan(double length, double low, double high) => new(length, low, high, length * (low + high) / 2);
        var (length, low, high) = (d.Size.Length, d.Size.Width, d.HighWidth);
        if (plans.HeldLength is null && Shorter(length) >= plans.Lengths[0] - 1e-9)
        {
            yield return (Plan(Shorter(length), low, high), t);
        }

        if (plans.HeldWidth is null && d.IsRectangle && !Foundation.Held.Trapezoid && Less(low) >= rules.LeastPlan - 1e-9)
        {
            yield return (Plan(length, Less(low), Less(low)), t);
        }

        // Of each difference of the ends the least plan that stands was looked at, though a wider one may need fewer bars.
        if (plans.HeldWidth is null && Foundation.Held is { Trapezoid: true, EndWidth: null })
        {
            foreach (var (a, b) in ((double, double)[])[(Less(low), high), (low, Less(high)), (Less(low), Less(high))])
            {
                if (Math.Min(a, b) >= rules.LeastPlan - 1e-9 && Math.Abs(a - b) > 1e-9
                    && Math.Max(a, b) <= CombinedPlans.MostTaper * Math.Min(a, b))
                {
                    yield return (Plan(length, a, b), t);
                }
            }
        }

        if (t > 0)
        {
            yield return (Plan(length, low, high), t - 1);
        }
    }
}
