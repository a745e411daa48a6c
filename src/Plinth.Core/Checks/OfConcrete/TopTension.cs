using Plinth.Core.Contact;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Whether the top of a base is stretched by more than plain concrete may hold.</summary>
internal static class TopTension
{
    public static bool Exceeds(BaseState s)
    {
        var none = default(NoTrace);
        var thickness = s.Code.PlainThickness(s.Thickness);
        Span<(double Moment, double Shear)> plain = stackalloc (double, double)[2];
        for (var i = 0; i < 2 && thickness > 0; i++)
        {
            var breadth = i == 0 ? s.Width : s.Length;
            plain[i] = (s.Code.PlainFlexure(ref none, s.Rules.Concrete, breadth, thickness), s.Code.PlainOneWayShear(ref none, s.Rules.Concrete, breadth, thickness));
        }

        foreach (var k in s.CombinationsFor(Family.Concrete))
        {
            if (s.Contact(k).State == ContactState.NoEquilibrium)
            {
                continue;
            }

            // A pulled column hangs the base on its top, whatever the sections beyond it show.
            if (s.Place.Sums[k].N < -1e-9)
            {
                return true;
            }

            for (var i = 0; i < 2; i++)
            {
                var (moment, shear) = s.Plain(k).OnTop ? plain[i] : default;
                for (var side = -1; side <= 1; side += 2)
                {
                    var f = s.AtFaces(k)[FaceForces.At(i == 0, side)];
                    if (OneWayShear<AxisX>.Significant(f.MomentDown, f.DownMoment) > moment || OneWayShear<AxisX>.Significant(f.ShearDown, f.DownShear) > shear)
                    {
                        return true;
                    }
                }
            }
        }

        return false;
    }
}
