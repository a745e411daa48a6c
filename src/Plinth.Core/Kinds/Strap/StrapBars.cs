using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.Strap;

/// <summary>The bars of a strap footing as they are bent and cut.</summary>
internal static class StrapBars
{
    /// <summary>Those of both bases, layer by layer.</summary>
    public static IReadOnlyList<MatBars> Of(Foundation foundation, StrapDesign design)
    {
        var side = foundation.Rules.Concrete.CoverSide;
        var list = new List<MatBars>();
        for (var i = 0; i < 2; i++)
        {
            var own = design.Base(i);
            foreach (var (role, alongX, bottom) in new[] { (BarRole.BottomX, true, true), (BarRole.BottomY, false, true),
                (BarRole.TopX, true, false), (BarRole.TopY, false, false) })
            {
                var (breadth, length) = alongX ? (own.Width, own.Length) : (own.Length, own.Width);
                list.Add(new MatBars(role, own.Layer(alongX, bottom).Resolve(breadth, side), length - (2 * side),
                    $"in the {StrapFields.Parts[i]} base"));
            }
        }

        return list;
    }

    /// <summary>Those of the beam.</summary>
    public static IReadOnlyList<BarGroup> OfBeam(Project project, Foundation foundation, StrapDesign design)
    {
        var (code, concrete, beam) = (project.Code, foundation.Rules.Concrete, design.Beam);
        var place = StrapPlace.Of(foundation.Held, foundation.Places[0], design);
        var length = place.BeamTo - place.EdgeFrom - (2 * concrete.CoverSide);
        var list = new List<BarGroup>();
        void Along(BarRole role, BarSpec bars)
        {
            if (bars is { Size: { } size, Count: > 0 and var count })
            {
                list.Add(new BarGroup(role, size, count,
                    BarList.Shape(code, new BarLayer(count, size) { Hooked = bars.Hooked }, length), ""));
            }
        }

        Along(BarRole.BeamTop, beam.Top);
        Along(BarRole.BeamBottom, beam.Bottom);
        if (beam.Stirrups is { Size: { } tie, Spacing: > 0 })
        {
            var (bend, extension) = code.TieHook(tie.Diameter);
            list.Add(new BarGroup(BarRole.Stirrups, tie,
                Places(place.EdgeFrom, place.BeamTo, concrete.CoverSide + tie.Diameter, beam.Stirrups.Spacing).Count,
                BarShape.Closed(tie, beam.Width - (2 * concrete.CoverSide), beam.Depth - concrete.CoverBottom - concrete.CoverTop,
                    (bend / 2) + tie.Diameter + extension, bend / 2), ""));
        }

        if (beam.Sides is { Size: not null, Count: > 0 })
        {
            Along(BarRole.BeamSides, beam.Sides with { Count = 2 * beam.Sides.Count, Hooked = false });
        }

        return list;
    }

    /// <summary>Where the stirrups of a beam stand: evenly from end to end, no farther apart than stated, m.</summary>
    /// <param name="from">Where the beam begins.</param>
    /// <param name="to">Where it ends.</param>
    /// <param name="inset">From an end to the first, m.</param>
    /// <param name="spacing">As stated, m; 0: there are none.</param>
    public static IReadOnlyList<double> Places(double from, double to, double inset, double spacing)
    {
        if (spacing <= 0)
        {
            return [];
        }

        var (first, length) = (from + inset, to - from - (2 * inset));
        var n = Math.Max(1, (int)Math.Ceiling((length / spacing) - 1e-9));
        return [.. Enumerable.Range(0, n + 1).Select(i => first + Math.Min(length, i * spacing))];
    }

    /// <summary>Heights of the bars along a side over the underside of the beam, m: between those at bottom and top.</summary>
    public static IReadOnlyList<double> SideLevels(Foundation foundation, StrapDesign design)
    {
        var (concrete, beam) = (foundation.Rules.Concrete, design.Beam);
        var tie = beam.Stirrups.Size?.Diameter ?? 0;
        var (low, high) = (concrete.CoverBottom + tie + ((beam.Bottom.Size?.Diameter ?? 0) / 2),
            beam.Depth - concrete.CoverTop - tie - ((beam.Top.Size?.Diameter ?? 0) / 2));
        return [.. Enumerable.Range(1, beam.Sides.Count).Select(i => low + ((high - low) * i / (beam.Sides.Count + 1)))];
    }
}
