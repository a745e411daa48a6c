using Plinth.Core.Bodies;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Strength along extra bars, which grows with what of them is developed.</summary>
internal static class ExtraStrength
{
    // Points between two sections, between which the worst is narrowed down.
    private const int Points = 16;
    private const int Narrowings = 40;

    /// <summary>Area of its face that counts in a section, m2: what runs through, and what of the extra bars is developed.</summary>
    public static double Area(ExtraZone z, double x) => z.Along.Layer(z.Bottom).Area + (z.Share(x) * z.Layer.Area);

    /// <summary>Flexural strength in a section, kNm.</summary>
    public static double Of(ExtraZone z, double x)
    {
        var none = default(NoTrace);
        return z.Along.Held(z.Bottom, Area(z, x), ref none).Strength;
    }

    // Of moment or shear; nothing where the other face is stretched.
    private static double Used(ExtraZone z, int k, bool shear, double x)
    {
        var section = z.Along.Section(k, x);
        var moment = z.Along.Stretch(z.Bottom, k, section);
        if (!shear)
        {
            return moment / Of(z, x);
        }

        var none = default(NoTrace);
        return moment > 0 ? Math.Abs(section.Shear) / z.Along.Sheared(z.Bottom, Area(z, x), x, ref none) : 0;
    }

    /// <summary>
    /// Where it is used most between two sections: the worst of some points, and between their neighbours by the golden section.
    /// </summary>
    /// <param name="z">The zone.</param>
    /// <param name="k">The combination.</param>
    /// <param name="shear">By shear, or by moment.</param>
    /// <param name="from">The one section, m.</param>
    /// <param name="to">The other, m.</param>
    public static double Worst(ExtraZone z, int k, bool shear, double from, double to)
    {
        const double golden = 0.6180339887498949;
        var (worst, at, step) = (double.NegativeInfinity, 0, (to - from) / Points);
        for (var i = 0; i <= Points; i++)
        {
            if (Used(z, k, shear, from + (i * step)) is var used && used > worst)
            {
                (worst, at) = (used, i);
            }
        }

        var (a, b) = (from + (Math.Max(0, at - 1) * step), from + (Math.Min(Points, at + 1) * step));
        var (c, d) = (b - (golden * (b - a)), a + (golden * (b - a)));
        var (atC, atD) = (Used(z, k, shear, c), Used(z, k, shear, d));
        for (var i = 0; i < Narrowings; i++)
        {
            if (atC > atD)
            {
                (b, d, atD) = (d, c, atC);
                c = b - (golden * (b - a));
                atC = Used(z, k, shear, c);
            }
            else
            {
                (a, c, atC) = (c, d, atD);
                d = a + (golden * (b - a));
                atD = Used(z, k, shear, d);
            }
        }

        var x = (a + b) / 2;
        return Used(z, k, shear, x) >= worst ? x : from + (at * step);
    }
}
