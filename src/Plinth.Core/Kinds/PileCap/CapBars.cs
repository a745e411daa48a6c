using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>Bars of a cap that lie in no layer, and bars of its piles.</summary>
internal static class CapBars
{
    /// <summary>Bars along the four sides.</summary>
    public static IReadOnlyList<BarGroup> Sides(Project project, Foundation foundation, CapDesign design)
    {
        var levels = SideBars.Levels(foundation, design);
        if (levels.Count == 0 || design.Sides.Size is not { } size)
        {
            return [];
        }

        var cover = foundation.Rules.Concrete.CoverSide;
        if (design.ToEdge is not null)
        {
            // One along each edge: three long ones, three at the cut corners.
            var outline = design.Outline;
            return [.. Enumerable.Range(0, outline.Count)
                .Select(
                    i =>
                        Math.Round(Math.Sqrt(Math.Pow(outline[(i + 1) % outline.Count].X - outline[i].X, 2)
                            + Math.Pow(outline[(i + 1) % outline.Count].Y - outline[i].Y, 2)), 6))
                .GroupBy(l => l)
                .OrderByDescending(g => g.Key)
                .Select((g, i) => new BarGroup(BarRole.Sides, size, g.Count() * levels.Count,
                    BarShape.Straight(Math.Max(size.Diameter, g.Key - (2 * cover / Math.Sqrt(3)))),
                    "") { Where = i == 0 ? "along the sides" : "at the corners" })];
        }

        return
        [
            new BarGroup(BarRole.Sides, size, 2 * levels.Count, BarShape.Straight(design.Size.Length - (2 * cover)),
                "") { Where = "along x" },
            new BarGroup(BarRole.Sides, size, 2 * levels.Count, BarShape.Straight(design.Size.Width - (2 * cover)),
                "") { Where = "along y" },
        ];
    }

    /// <summary>
    /// Bars of all piles of one cap. Laps of bars longer than those that are sold are not counted; those of driven piles come with them.
    /// </summary>
    public static IReadOnlyList<BarGroup> OfPiles(Project project, Foundation foundation, CapDesign design)
    {
        var rules = foundation.Rules.Piles;
        if (rules is not { Made: PileMaking.Bored, Bars: { Size: { } size } bars } || (design.PileLength ?? rules.Length) is not { } length)
        {
            return [];
        }

        var n = design.Piles.Length;
        List<BarGroup> list = [new BarGroup(BarRole.PileBars, size, n * bars.Count,
            BarShape.Straight(size.CutUp(length - rules.Cover + PileHeads.BarsIntoCap(project, foundation, design))), "")];
        if (rules.Ties is { Size: { } tie, Spacing: > 0 and var spacing })
        {
            var (bend, extension) = project.Code.TieHook(tie.Diameter);
            var (hook, each, across) = ((bend / 2) + tie.Diameter + extension,
                (int)Math.Ceiling(((length - (2 * rules.Cover)) / spacing) - 1e-9) + 1, rules.Side - (2 * rules.Cover));
            list.Add(new BarGroup(BarRole.PileTies, tie, n * each,
                rules.Shape == PileShape.Round
                    ? BarShape.Hoop(tie, across, project.Code.HoopOverlap, hook, bend / 2)
                    : BarShape.Closed(tie, across, across, hook, bend / 2), ""));
        }

        return list;
    }
}
