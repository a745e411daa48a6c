using Plinth.Core.Checks;

namespace Plinth.Core.Sizing;

/// <content>Whether a base is too thin for any bars.</content>
internal sealed partial class BarSearch
{
    /// <summary>
    /// Whether the base is too thin for its shear, struts or depth with any bars: the thinnest leave the greatest depth. Under the
    /// combinations that failed last.
    /// </summary>
    public bool IsTooThin()
    {
        LayThinnest();
        var fails = QuicklyExceeds(ofDepth) || ExceedsWithAny(0);
        Reset(null);
        return fails;
    }

    /// <summary>
    /// Whether the base, and any that is up to so much thinner, is too thin with any bars; false where that is not known.
    /// </summary>
    /// <param name="thinner">By how much, m.</param>
    public bool IsTooThinDown(double thinner)
    {
        LayThinnest();
        var fails = ExceedsWithAny(thinner);
        Reset(null);
        return fails;
    }

    private void LayThinnest()
    {
        foreach (var s in states)
        {
            s.Looking = Face.Bottom;
        }

        sizes = rules.Steel.Bars;
        var outerIsX = states[0].OuterIsX;
        Put(true, First(Sizes(outerIsX ? held.BottomX : held.BottomY)[0], outerIsX), outerIsX);
        Put(true, First(Sizes(outerIsX ? held.BottomY : held.BottomX)[0], !outerIsX), !outerIsX);
        Set(bars);
    }

    private bool ExceedsWithAny(double thinner)
    {
        if (bounded.Length == 0)
        {
            return false;
        }

        var range = new BarRange(Most(true), Most(false), states[0].OuterIsX) { Thinner = thinner };
        foreach (var check in bounded)
        {
            foreach (var s in states)
            {
                if (check.ExceedsWithAny(s, range, rules.Sizing.Target))
                {
                    LastFailure = (check, s);
                    return true;
                }
            }
        }

        return false;

        MostBars[] Most(bool alongX)
        {
            var candidates = Sizes(alongX ? held.BottomX : held.BottomY);
            var (most, thinnest) = (new MostBars[candidates.Length], 0.0);
            for (var i = 0; i < most.Length; i++)
            {
                var layer = candidates[i].Fixed ? First(candidates[i], alongX) : Spaced(First(candidates[i], alongX), alongX);
                thinnest = i == 0 ? layer.Diameter : thinnest;
                most[i] = new MostBars((layer.Diameter - thinnest) / 2, layer);
            }

            return most;
        }
    }
}
