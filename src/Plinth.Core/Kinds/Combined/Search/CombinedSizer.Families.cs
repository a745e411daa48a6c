using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <content>
/// What is known of a family of plans at a thickness: whether any of them may pass, what they cost at least, the least that stands.
/// </content>
internal sealed partial class CombinedSizer
{
    private readonly Dictionary<(int Thickness, int Family), (double Area, double Cost)> needing = [];
    private readonly Dictionary<int, int> thinnest = [];

    // What a family costs at least at a thickness by its least area alone; infinite: none of its plans has it.
    private double Bound(int t, int family) =>
        areas[t] < double.PositiveInfinity && plans.Bound(family, areas[t]) is { } bound
            ? floor.Of(bound, thicknesses[t], uprights[t])
            : double.PositiveInfinity;

    // What the lengths beside one that were looked at before all others need at least; 0: it is one of them, or there are none.
    private double About(int t, int family)
    {
        if (plans.Beside(family) is not { } beside)
        {
            return 0;
        }

        return Math.Min(Known(t, beside.Shorter), Known(t, beside.Longer));

        double Known(int t, int f)
        {
            var thin = thinnest.TryGetValue(f, out var least) && t < least;
            if (!thin && needing.TryGetValue((t, f), out var known) && known.Cost < double.PositiveInfinity)
            {
                return known.Cost;
            }

            // Where a little more thickness is enough, it may be none of that in between.
            return thin && t < least - 1 ? double.PositiveInfinity : Bound(t, f);
        }
    }

    // Whether a thickness is too thin for every plan of a family: then every thinner one is too, so that the least that is not is sought by
    // halves when
    // it is first asked for.
    private bool IsHopeless(int t, int family, Pedestal?[] standing)
    {
        if (!thinnest.TryGetValue(family, out var least))
        {
            var (low, high) = (t, last);
            while (low < high)
            {
                var middle = (low + high) / 2;
                var fails = Pedestals(middle) is { } there && plans.Bound(family, areas[middle]) is not null
                    && double.IsInfinity(Needs(middle, family, areas[middle], there).Cost);
                (low, high) = fails ? (middle + 1, high) : (low, middle);
            }

            thinnest.Add(family, least = low);
        }

        return t < least || double.IsInfinity(Needs(t, family, areas[t], standing).Cost);
    }

    private (double Area, double Cost) Needs(int t, int family, double area, Pedestal?[] standing)
    {
        if (!needing.TryGetValue((t, family), out var known))
        {
            needing.Add((t, family), known = Sharper(t, family, area, standing));
        }

        return known;
    }

    // What a family costs at least with the steel that it needs in any case, and the area that shear asks for; infinite: none of its plans
    // passes.
    private (double Area, double Cost) Sharper(int t, int family, double area, Pedestal?[] standing)
    {
        while (plans.Bound(family, area) is { } plan)
        {
            if (Foundation.Held.Trapezoid || Set(plan, t, standing) is null)
            {
                return (area, floor.Of(plan, thicknesses[t], uprights[t]));
            }

            search.Thin();
            var need = steel.Need();
            if (!need.Fails)
            {
                return (area, floor.WithSteel(plan, uprights[t], need));
            }

            area = need.IsHopeless ? double.PositiveInfinity : plan.Area * Math.Max(need.Wider, 1 + NextWider);
        }

        return (double.PositiveInfinity, double.PositiveInfinity);
    }

    // The least plan of a family that stands on the ground at a thickness and may cost less than the best, left in the trials; −1: none.
    private int Least(int t, int family, double area, int near, double most)
    {
        var (list, standing) = (plans.Of(family), Pedestals(t)!);
        bool Lies(int i) => Set(list[i], t, standing) is not null;
        bool Stands(int i) => Lies(i) && !planChecks.Fail();
        var first = First(list, p => p.Area >= area);
        var end = double.IsPositiveInfinity(most) ? list.Length : First(list, p => floor.Of(p, thicknesses[t], uprights[t]) >= most);

        // From what another thickness needed it is not far; else by doubling steps from below.
        var (fails, stands) = (first - 1, -1);
        if (near > first && near < end && Stands(near))
        {
            stands = near;
            for (var step = 1; stands > first && fails < first; step *= 2)
            {
                var at = Math.Max(first, stands - step);
                (fails, stands) = Stands(at) ? (fails, at) : (at, stands);
            }
        }
        else
        {
            // What costs as much as the best and does not stand leaves nothing smaller that does.
            while (end > first && end < list.Length && !Lies(end - 1))
            {
                end--;
            }

            if (end <= first || (end < list.Length && !Stands(end - 1)))
            {
                return -1;
            }

            for (var step = 1; stands < 0 && fails + 1 < end; step *= 2)
            {
                var at = Math.Min(end - 1, fails + step);
                (fails, stands) = Stands(at) ? (fails, at) : (at, stands);
            }
        }

        while (stands - fails > 1)
        {
            var middle = (stands + fails) / 2;
            (fails, stands) = Stands(middle) ? (fails, middle) : (middle, stands);
        }

        if (stands >= 0)
        {
            _ = Lies(stands);
        }

        return stands;
    }

    private static int First(CombinedPlan[] list, Func<CombinedPlan, bool> holds)
    {
        var (low, high) = (0, list.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = holds(list[middle]) ? (low, middle) : (middle + 1, high);
        }

        return low;
    }
}
