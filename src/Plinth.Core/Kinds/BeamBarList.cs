using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds;

/// <summary>The bars of a beam that carries a foundation along x, as they are bent and cut, and where they stand.</summary>
internal static class BeamBarList
{
    /// <summary>Top, bottom, stirrups, sides.</summary>
    /// <param name="code">The code whose hooks they are.</param>
    /// <param name="concrete">The covers.</param>
    /// <param name="beam">The beam.</param>
    /// <param name="from">Where it begins, m.</param>
    /// <param name="to">Where it ends, m.</param>
    /// <param name="where">What it is called: "of the beam".</param>
    /// <param name="beneath">Diameter of the bars on which its stirrups stand, m; 0 where they lie at the cover themselves.</param>
    /// <param name="closer">Stretches over which its stirrups stand closer; null: none.</param>
    public static IReadOnlyList<BarGroup> Of(ConcreteCode code, ConcreteRules concrete, BeamDesign beam, double from, double to,
        string where, double beneath = 0, IReadOnlyList<StirrupStretch>? closer = null)
    {
        var (length, list) = (to - from - (2 * concrete.CoverSide), new List<BarGroup>());
        void Along(BarRole role, BarSpec bars)
        {
            if (bars is { Size: { } size, Count: > 0 and var count })
            {
                list.Add(new BarGroup(role, size, count,
                    BarList.Shape(code, new BarLayer(count, size) { Hooked = bars.Hooked }, length), "")
                {
                    Where = where,
                });
            }
        }

        Along(BarRole.BeamTop, beam.Top);
        Along(BarRole.BeamBottom, beam.Bottom);
        if (beam.Stirrups is { Size: { } tie, Spacing: > 0 })
        {
            var (bend, extension) = code.TieHook(tie.Diameter);
            list.Add(new BarGroup(BarRole.Stirrups, tie,
                Stirrups(from, to, concrete.CoverSide + tie.Diameter, beam.Stirrups.Spacing, closer).Count,
                BarShape.Closed(tie, beam.Width - (2 * concrete.CoverSide), beam.Depth - concrete.CoverBottom - beneath - concrete.CoverTop,
                    (bend / 2) + tie.Diameter + extension, bend / 2), "")
            {
                Where = where,
            });
        }

        if (beam.Sides is { Size: not null, Count: > 0 })
        {
            Along(BarRole.BeamSides, beam.Sides with { Count = 2 * beam.Sides.Count, Hooked = false });
        }

        return list;
    }

    /// <summary>Where the stirrups of a beam stand: over each stretch evenly, no farther apart than stated, m.</summary>
    /// <param name="from">Where the beam begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="inset">From an end to the first, m.</param>
    /// <param name="spacing">As stated, m; 0: there are none.</param>
    /// <param name="closer">Stretches over which they stand closer; null: none.</param>
    public static IReadOnlyList<double> Stirrups(double from, double to, double inset, double spacing,
        IReadOnlyList<StirrupStretch>? closer = null)
    {
        var list = new List<double>();
        foreach (var (first, last, apart) in Stretches(from, to, inset, spacing, closer ?? []))
        {
            var n = Math.Max(1, (int)Math.Ceiling(((last - first) / apart) - 1e-9));
            list.AddRange(Enumerable.Range(list.Count == 0 ? 0 : 1, n + (list.Count == 0 ? 1 : 0))
                .Select(i => first + Math.Min(last - first, i * apart)));
        }

        return list;
    }

    /// <summary>The stretches over which stirrups stand alike, from the first stirrup to the last: one begins where another ends.</summary>
    /// <param name="from">Where the beam begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="inset">From an end to the first stirrup, m.</param>
    /// <param name="spacing">How far apart they stand elsewhere, m; 0: there are none.</param>
    /// <param name="closer">Stretches over which they stand closer.</param>
    public static IReadOnlyList<(double From, double To, double Spacing)> Stretches(double from, double to, double inset, double spacing,
        IReadOnlyList<StirrupStretch> closer)
    {
        if (spacing <= 0)
        {
            return [];
        }

        var (list, at, last) = (new List<(double, double, double)>(), from + inset, to - inset);
        foreach (var z in closer.OrderBy(z => z.From))
        {
            var (low, high) = (Math.Max(at, z.From), Math.Min(last, z.To));
            if (high - low <= Touch)
            {
                continue;
            }

            if (low - at > Touch)
            {
                list.Add((at, low, spacing));
            }

            list.Add((low, high, z.Spacing));
            at = high;
        }

        if (last - at > Touch || list.Count == 0)
        {
            list.Add((at, last, spacing));
        }

        return list;
    }

    // A stretch no longer than this is none, m.
    private const double Touch = 1e-6;

    /// <summary>Heights of the bars along a side over the underside of the beam, m: between those at bottom and top.</summary>
    /// <param name="concrete">The covers.</param>
    /// <param name="beam">The beam.</param>
    /// <param name="beneath">Diameter of the bars on which its stirrups stand, m.</param>
    public static IReadOnlyList<double> Sides(ConcreteRules concrete, BeamDesign beam, double beneath = 0)
    {
        var tie = beam.Stirrups.Size?.Diameter ?? 0;
        var (low, high) = (concrete.CoverBottom + beneath + tie + ((beam.Bottom.Size?.Diameter ?? 0) / 2),
            beam.Depth - concrete.CoverTop - tie - ((beam.Top.Size?.Diameter ?? 0) / 2));
        return [.. Enumerable.Range(1, beam.Sides.Count).Select(i => low + ((high - low) * i / (beam.Sides.Count + 1)))];
    }
}
