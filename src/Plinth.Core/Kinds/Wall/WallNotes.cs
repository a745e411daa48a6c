using System.Globalization;
using Plinth.Core.Checks.OnGround;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Wall;

/// <summary>What is to be said of a wall's footing beside its checks.</summary>
internal static class WallNotes
{
    // A wall lower than so much of its length does not keep its base straight.
    private const double StiffFrom = 0.5;

    // Beyond so many thicknesses the base bends along the wall past its ends.
    private const double ShortEnds = 1;

    /// <summary>Why a base that keeps straight along its wall is doubtful; null: it is not.</summary>
    public static string? Doubt(WallTrial t)
    {
        var (stem, wall) = (t.Foundation.Wall.Stem, t.Columns[0].Support);
        return stem is null || !TurnsAlong(t) || (stem is { Masonry: false, Height: { } high } && high >= StiffFrom * wall.SizeX)
            ? null
            : "the wall is low for its length, or of masonry: whether it keeps its base straight along it is doubtful";
    }

    // Pressure that is the same all along asks no wall to keep its base straight.
    private static bool TurnsAlong(WallTrial t)
    {
        for (var k = 0; k < t.Combinations.Length; k++)
        {
            if (Math.Abs(t.Columns[0].My(k)) > 1e-6 * Math.Max(1, Math.Abs(t.Columns[0].Action(k).N)))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>The remarks on a trial whose design is set.</summary>
    public static IEnumerable<string> Of(WallTrial t)
    {
        var (wall, rules) = (t.Columns[0].Support, t.Foundation.Wall);
        yield return "along the wall the base has the least steel: the wall carries it there";
        if (rules.Ends > ShortEnds * t.Body.Thickness)
        {
            yield return $"the base reaches {Unit.Length.FormatWithSymbol(rules.Ends, t.Units)} beyond the wall's ends, more than its "
                + "thickness: its bending along the wall there is not checked";
        }

        var open = default((string Name, double Ratio));
        for (var k = 0; k < t.Combinations.Length; k++)
        {
            ref readonly var a = ref t.Columns[0].Action(k);
            var turns = Math.Abs(a.My + ((t.Columns[0].Arm - t.Body.Thickness) * a.Fx));
            var ratio = turns / Math.Max(1e-9, a.N * wall.SizeX / 6);
            open = turns > 1e-6 && (a.N <= 0 || ratio > 1) && ratio > open.Ratio ? (t.Combinations[k].Name, ratio) : open;
        }

        if (open.Name is not null)
        {
            yield return $"under {open.Name} the moment along the wall exceeds N·ℓ/6: the joint of wall and base is pulled at one end";
        }

        if (rules.Stem is { Masonry: true, Compression: null, Tension: null })
        {
            yield return "the masonry of the wall is not checked: give stem.compression and stem.tension";
        }

        if (rules.Stem is { Masonry: false, Height: { } high })
        {
            yield return string.Create(CultureInfo.InvariantCulture, $"the wall is {high / wall.SizeY:0.#} times as high as thick");
        }

        if (rules.Retained is { } soil)
        {
            yield return string.Create(CultureInfo.InvariantCulture,
                $"{(soil.AtRest ? "earth at rest" : "active pressure")}, K {soil.Coefficient:0.000}"
                    + $"{(t.Ground.Design is null ? "" : ", more where tan φ' takes a partial factor")}; nothing of the soil before the "
                    + $"wall is counted against it but passive pressure on the base");
            if (t.Combinations.Any(c => c.State == LimitState.Seismic))
            {
                yield return "the soil's seismic thrust (EN 1998-5 7.3.2) is not found: give it as a case of the reactions";
            }

            if (rules.Stem is { Propped: true })
            {
                yield return "the wall is taken as fixed on its base and held at its top, by what is not checked here; where the base "
                    + "turns, the wall bends more between them";
            }

            if (Lacking(t) is { } lacking)
            {
                yield return lacking;
            }
        }
    }

    // A shear key is not designed: what width of base would hold the wall in its place.
    private static string? Lacking(WallTrial t)
    {
        var (worst, rubs) = (0.0, t.Ground.Friction);
        foreach (var k in t.CombinationsFor(Family.Sliding))
        {
            var l = t.Body.LoadsWithoutSurcharge(k);
            var least = t.Combinations[k].Least ?? (t.Combinations[k].Counteracting ? t.Rules.Stability.Counteracting
                : t.Rules.Stability.Sliding);
            var friction = t.Ground.Design?.Of(t.Combinations[k].State) is { } f ? SlidingResistance.Coefficient(t.Ground, f)
                : t.Ground.Friction;
            var lacks = (least * Math.Abs(l.Fy)) - (friction * Math.Max(0, l.N));
            (worst, rubs) = lacks > worst ? (lacks, friction) : (worst, rubs);
        }

        // Undrained the area counts, not what presses on it.
        if (worst <= 0 || t.Checks.Find("sliding") is not { } sliding || !sliding.Exceeds(t, 1))
        {
            return null;
        }

        var perMetre = rubs * t.Body.Length
            * ((t.Rules.Concrete.Weight * t.Body.Thickness) + (t.Ground.SoilWeight * t.Foundation.Wall.Retained!.Height));
        return $"sliding is not held; no shear key is designed: by friction alone about "
            + $"{Unit.Length.FormatWithSymbol(worst / perMetre, t.Units)} more of heel would hold it";
    }
}
