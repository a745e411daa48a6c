using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Ground;

/// <summary>A stretch of one ground along a base.</summary>
/// <param name="To">Where it ends along the base's x from its centroid, m.</param>
/// <param name="Ground">The ground.</param>
public readonly record struct GroundPart(double To, GroundRules Ground);

/// <summary>The grounds that a long base crosses, by their areas in plan.</summary>
public static class GroundAlong
{
    private const double Close = 1e-9;

    // Beyond the columns, m.
    private const double Farther = 5;

    /// <summary>From its beginning to its end; one where it crosses none.</summary>
    /// <param name="place">The place, with the grounds that it may cross.</param>
    /// <param name="origin">The place's origin from the base's centroid, m.</param>
    /// <param name="low">Where the base begins along its x from its centroid, m.</param>
    /// <param name="high">Where it ends, m.</param>
    public static IReadOnlyList<GroundPart> Of(Place place, in PlanPoint origin, double low, double high)
    {
        ArgumentNullException.ThrowIfNull(place);
        if (place.Along.Count == 0)
        {
            return [new(high, place.Ground)];
        }

        var centre = BaseGeometry.Centre(place, origin);
        var (sin, cos) = Loads.SupportAction.SinCosDegrees(place.AngleDegrees);
        PlanPoint In(double x) => new(centre.X + (x * cos), centre.Y + (x * sin));
        var stops = new List<double> { low, high };
        foreach (var ground in place.Along)
        {
            for (var i = 0; i < ground.Area.Count; i++)
            {
                // Where an edge of the area crosses the axis.
                var (a, b) = (ground.Area[i], ground.Area[(i + 1) % ground.Area.Count]);
                double Beside(PlanPoint p) => ((p.Y - centre.Y) * cos) - ((p.X - centre.X) * sin);
                double Along(PlanPoint p) => ((p.X - centre.X) * cos) + ((p.Y - centre.Y) * sin);
                var (from, to) = (Beside(a), Beside(b));
                if ((from < 0) != (to < 0))
                {
                    var x = Along(a) + ((Along(b) - Along(a)) * from / (from - to));
                    if (x > low + Close && x < high - Close)
                    {
                        stops.Add(x);
                    }
                }
            }
        }

        stops.Sort();
        var parts = new List<GroundPart>();
        for (var i = 1; i < stops.Count; i++)
        {
            if (stops[i] - stops[i - 1] < Close)
            {
                continue;
            }

            var ground = At(place, In((stops[i - 1] + stops[i]) / 2));
            if (parts.Count > 0 && ReferenceEquals(parts[^1].Ground, ground))
            {
                parts[^1] = new(stops[i], ground);
            }
            else
            {
                parts.Add(new(stops[i], ground));
            }
        }

        return parts;
    }

    /// <summary>The ground under a point of the plan.</summary>
    /// <param name="place">The place, with the grounds that it may cross.</param>
    /// <param name="point">In plan, m.</param>
    public static GroundRules At(Place place, PlanPoint point)
    {
        ArgumentNullException.ThrowIfNull(place);
        return place.Along.FirstOrDefault(g => g.Area.Count > 0 && PlanPolygon.Contains(g.Area, point))
            ?? place.Along.FirstOrDefault(g => g.Area.Count == 0) ?? place.Ground;
    }

    /// <summary>Why the grounds along the columns of a foundation cannot be those of one strip; null: they can.</summary>
    /// <param name="foundation">The foundation.</param>
    public static string? Fault(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        foreach (var place in foundation.Places)
        {
            // So far its ends may reach: no ground on which it may come to stand is left unasked.
            var columns = place.InOwnAxes();
            var reach = Math.Max(foundation.Held.Length ?? 0, columns[^1].X - columns[0].X) + Farther;
            foreach (var (_, ground) in Of(place, default, columns[0].X - reach, columns[^1].X + reach))
            {
                if (Fault(place, ground) is { } fault)
                {
                    return fault;
                }
            }
        }

        return null;
    }

    private static string? Fault(Place place, GroundRules ground)
    {
        var name = NameOf(ground);
        if (ground.SubgradeModulus is null)
        {
            return $"a strip stands on ground springs and needs the modulus of the ground; write {name} subgrade-modulus, for example "
                + "\"20 MN/m3\"";
        }

        if (ground.Capacity is not null && place.Along.Count > 1)
        {
            return $"{name} along it has its bearing found from strength, which is not designed where the ground changes along a strip; "
                + "state bearing there, or name the one ground that it is designed by: ground = \"…\"";
        }

        return Differing(place.Ground, ground) is { } key
            ? $"{NameOf(place.Ground)} and {name} along it differ in {key}, of which a strip has one value; write ground.{key} on it"
            : null;
    }

    /// <summary>The table of a ground as it is written.</summary>
    internal static string NameOf(GroundRules ground) => ground.Name.Length > 0 ? $"[grounds.{ground.Name}]" : "[ground]";

    /// <summary>
    /// The key in which grounds differ that a strip has one value of: stiffness and stated bearing may change along it; null: in none.
    /// </summary>
    internal static string? Differing(GroundRules a, GroundRules b) => ReferenceEquals(a, b) ? null
        : a.Level != b.Level ? "level"
        : a.FoundingDepth != b.FoundingDepth ? "founding-depth"
        : a.TopDepth != b.TopDepth ? "top-depth"
        : a.SoilWeight != b.SoilWeight ? "soil-weight"
        : a.SaturatedWeight != b.SaturatedWeight ? "soil-weight-saturated"
        : a.WaterDepth != b.WaterDepth ? "water-depth"
        : a.WaterDepthLow != b.WaterDepthLow ? "water-depth-low"
        : !a.Friction.Equals(b.Friction) ? "friction"
        : a.CriticalAngle != b.CriticalAngle ? "critical-angle"
        : a.SmoothFace != b.SmoothFace ? "base-face"
        : a.Sealed != b.Sealed ? "base-sealed"
        : a.Adhesion != b.Adhesion ? "adhesion"
        : a.PassiveCoefficient != b.PassiveCoefficient ? "passive-coefficient"
        : a.PassiveIgnoredDepth != b.PassiveIgnoredDepth ? "passive-ignored-depth"
        : a.Surcharge != b.Surcharge ? "surcharge"
        : a.UpliftSpread != b.UpliftSpread ? "uplift-spread"
        : a.FrostDepth != b.FrostDepth ? "frost-depth"
        : a.LevelBefore != b.LevelBefore ? "level-before"
        : a.LoadSpread != b.LoadSpread ? "load-spread"
        : a.MostSettlement != b.MostSettlement ? "max-settlement"
        : a.MostDistortion != b.MostDistortion ? "max-distortion"
        : a.Layers.SequenceEqual(b.Layers) ? null : "layer";
}
