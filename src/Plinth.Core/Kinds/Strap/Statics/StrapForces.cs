using Plinth.Core.Bodies;
using Plinth.Core.Numerics;

namespace Plinth.Core.Kinds.Strap;

/// <summary>
/// The free body towards −x from a section across a strap footing: V = ∫q dA − ΣN − ∫w dx, M = ∫q·(x − ξ) dA − Σ[N·(x − xi) − My'] − ∫w·(x
/// − ξ) dx, over both bases, the columns and the beam with the soil on it. Within a column's own width its load is spread evenly and its
/// moment linearly.
/// </summary>
internal static class StrapForces
{
    /// <summary>Shear and moment in a section.</summary>
    /// <param name="body">The body.</param>
    /// <param name="k">The combination.</param>
    /// <param name="x">Where it lies, m from the centroid of both areas.</param>
    public static LongSection At(GroundBody body, int k, double x)
    {
        var (shear, moment) = (0.0, 0.0);
        foreach (var p in body.Parts)
        {
            var own = Math.Min(x - p.Middle, p.HighX);
            if (own <= p.LowX)
            {
                continue;
            }

            var part = LongForces.Push(p, true, k, own) - LongForces.Press(p, true, k, own);
            (shear, moment) = (shear + part.Force, moment + ((x - p.Middle) * part.Force) - part.Moment);
        }

        foreach (var l in body.Lines)
        {
            var to = Math.Min(x, l.To);
            if (to > l.From)
            {
                var pressed = body.LinePressed(l, k) * (to - l.From);
                (shear, moment) = (shear - pressed, moment - (pressed * (x - ((l.From + to) / 2))));
            }
        }

        foreach (var c in body.Columns)
        {
            var (low, wide) = (c.X - (c.Outline.X / 2), c.Outline.X);
            if (x > low)
            {
                var share = Math.Min(1, (x - low) / wide);
                var (n, at) = (share * (c.Action(k).N + c.PrismWeight(k)), low + (share * wide / 2));
                (shear, moment) = (shear - n, moment - (n * (x - at)) + (share * c.My(k)));
            }
        }

        return new LongSection(x, shear, moment);
    }

    /// <summary>Net push on a metre of the body upwards, kN/m: the slope of the shear where no column stands.</summary>
    public static double Slope(GroundBody body, int k, double x)
    {
        var sum = 0.0;
        foreach (var p in body.Parts)
        {
            var own = x - p.Middle;
            sum += own > p.LowX && own < p.HighX ? LongForces.Slope(p, true, k, own) : 0;
        }

        foreach (var l in body.Lines)
        {
            sum -= x > l.From && x < l.To ? body.LinePressed(l, k) : 0;
        }

        return sum;
    }

    /// <summary>Shear as a function of the place.</summary>
    internal readonly struct ShearOf(GroundBody body, int k) : IFunction
    {
        public double At(double x) => StrapForces.At(body, k, x).Shear;
    }
}
