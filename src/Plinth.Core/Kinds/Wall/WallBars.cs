using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.Wall;

/// <summary>The bars of a wall's footing and of the wall as they are bent and cut.</summary>
internal static class WallBars
{
    /// <summary>Where bars of the face away from the soil stand.</summary>
    public const string OtherFace = "at the other face";

    /// <summary>Those of the base, layer by layer.</summary>
    public static IReadOnlyList<MatBars> Of(Foundation foundation, WallDesign design)
    {
        var side = foundation.Rules.Concrete.CoverSide;
        var bars = design.Reinforcement(side);
        var (alongX, alongY) = (design.Size.Length - (2 * side), design.Size.Width - (2 * side));
        return
        [
            new(BarRole.BottomX, bars.BottomX, alongX), new(BarRole.BottomY, bars.BottomY, alongY),
            new(BarRole.TopX, bars.TopX, alongX), new(BarRole.TopY, bars.TopY, alongY),
        ];
    }

    /// <summary>
    /// Those of the wall: starters with a foot on the bottom mat, lapped with straight upright bars, and level bars of each layer.
    /// </summary>
    public static IReadOnlyList<BarGroup> OfWall(Project project, Foundation foundation, WallDesign design)
    {
        if (foundation.Wall.Stem is not { Height: { } height, Masonry: false } stem || design.Stem.Soil.Size is null)
        {
            return [];
        }

        var (code, concrete, support) = (project.Code, foundation.Rules.Concrete, foundation.Places[0].Support);
        var cover = stem.Cover ?? concrete.CoverSide;
        var below = concrete.CoverBottom + (design.BottomX.Size?.Diameter ?? 0) + (design.BottomY.Size?.Diameter ?? 0);
        var list = new List<BarGroup>();
        foreach (var (bars, where) in new[] { (design.Stem.Soil, stem.Layers == 1 ? "" : "at the soil's face"),
            (design.Stem.Free, OtherFace) })
        {
            if (bars.Size is not { } size)
            {
                continue;
            }

            var count = bars.Resolve(support.SizeX, cover).Count;
            var lap = Lap(code, foundation, bars, cover);
            var leg = design.Size.Thickness - below + Math.Min(lap, height - cover);
            list.Add(new BarGroup(BarRole.Starters, size, count,
                BarShape.OneBend(size, code.HookHeight(size.Diameter), leg, code.BendDiameter(size.Diameter) / 2), "")
            { Where = where });
            list.Add(new BarGroup(BarRole.WallUpright, size, count, BarShape.Straight(height - cover), "") { Where = where });
        }

        if (design.Stem.Level.Size is { } level)
        {
            var rows = design.Stem.Level.Resolve(height, cover).Count;
            list.Add(new BarGroup(BarRole.WallLevel, level, rows * stem.Layers, BarShape.Straight(support.SizeX - (2 * cover)), ""));
        }

        return list;
    }

    /// <summary>Length by which starters lap with the wall's bars, m: in tension, class B.</summary>
    public static double Lap(ConcreteCode code, Foundation foundation, BarSpec bars, double cover)
    {
        var none = default(Tracing.NoTrace);
        var concrete = foundation.Rules.Concrete with
        {
            Strength = foundation.Wall.Stem?.Strength ?? foundation.Rules.Concrete.Strength,
        };
        return code.TensionLap(ref none, concrete,
            new LappedBar(bars.Size!, null, foundation.Rules.Steel.Yield, bars.Spacing, cover + (bars.Size!.Diameter / 2)));
    }
}
