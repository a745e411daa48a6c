using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Whether the top of a base is stretched by more than plain concrete may hold.</summary>
internal static class TopTension
{
    public static bool Exceeds(Trial trial)
    {
        foreach (var k in trial.CombinationsFor(Family.Concrete))
        {
            if (trial.Body.Contact(k).State == ContactState.NoEquilibrium)
            {
                continue;
            }

            // A pulled column hangs the base on its top, whatever the sections beyond it show.
            foreach (var column in trial.Columns)
            {
                if (column.Action(k).N < -1e-9)
                {
                    return true;
                }
            }

            if (Exceeds(trial, true, k) || Exceeds(trial, false, k))
            {
                return true;
            }
        }

        return false;
    }

    private static bool Exceeds(Trial trial, bool alongX, int k)
    {
        var none = default(NoTrace);
        foreach (var s in trial.Spans(alongX))
        {
            for (var side = -1; side <= 1; side += 2)
            {
                ref readonly var f = ref s.AtFace(k, side);
                var (moment, shear) = (OneWayShear<AxisX>.Significant(f.MomentDown, f.DownMoment),
                    OneWayShear<AxisX>.Significant(f.ShearDown, f.DownShear));
                if (moment <= 0 && shear <= 0)
                {
                    continue;
                }

                var thickness = s.Code.PlainThickness(s.Thickness);
                if (thickness <= 0 || !s.PlainOnTop(k)
                    || moment > s.Code.PlainFlexure(ref none, s.Rules.Concrete, s.Breadth, thickness)
                    || shear > s.Code.PlainOneWayShear(ref none, s.Rules.Concrete, s.Breadth, thickness))
                {
                    return true;
                }
            }
        }

        return false;
    }
}
