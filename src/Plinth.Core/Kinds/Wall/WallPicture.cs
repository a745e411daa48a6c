using Plinth.Core.Concrete;
using Plinth.Core.Figures;

namespace Plinth.Core.Kinds.Wall;

/// <summary>A wall with its bars and the soil on both sides, as a drawing shows them.</summary>
internal static class WallPicture
{
    /// <summary>Makes it.</summary>
    public static WallFigure Of(WallTrial t)
    {
        var (body, wall, rules) = (t.Body, t.Columns[0], t.Foundation.Wall);
        var (base0, soil, thickness) = (body.Thickness, rules.Retained, wall.Support.SizeY);
        var side = soil?.Side ?? 0;
        double? top = rules.Stem?.Height is { } high ? base0 + high : null;
        var (behind, before) = soil is null
            ? (base0 + body.SoilDepth, base0 + body.SoilDepth)
            : (base0 + soil.Height, base0 + (soil.Other ?? body.SoilDepth));
        List<(double, bool)> uprights = [];
        List<(double, double)> levels = [];
        var starters = base0;
        if (t.Stem is { Stated.Masonry: false, Bars: { Soil.Size: { } first } bars } stem)
        {
            var towards = side == 0 ? 1 : side;
            var half = thickness / 2;
            List<(double At, BarSize Size)> faces = [];
            if (stem.Stated.Layers == 1)
            {
                faces.Add((wall.Y, first));
                uprights.Add((wall.Y, true));
            }
            else
            {
                foreach (var (spec, sign) in new[] { (bars.Soil, towards), (bars.Free, -towards) })
                {
                    if (spec.Size is { } size)
                    {
                        var at = wall.Y + (sign * (half - stem.Cover - (size.Diameter / 2)));
                        faces.Add((at, size));
                        uprights.Add((at, sign == towards));
                    }
                }
            }

            starters = base0 + Math.Min(WallBars.Lap(t.Code, t.Foundation, bars.Soil, stem.Cover), stem.Height - stem.Cover);
            if (bars.Level.Size is { } level)
            {
                var rows = bars.Level.Resolve(stem.Height, stem.Cover).Count;
                var (from, to) = (base0 + stem.Cover + (level.Diameter / 2), base0 + stem.Height - stem.Cover - (level.Diameter / 2));
                foreach (var (at, size) in faces)
                {
                    var inwards = stem.Stated.Layers == 1 ? 1 : -Math.Sign(at - wall.Y);
                    var u = at + (inwards * ((size.Diameter + level.Diameter) / 2));
                    levels.AddRange(Enumerable.Range(0, rows).Select(i => (u, Math.Min(to, from + (i * bars.Level.Spacing)))));
                }
            }
        }

        return new WallFigure(wall.Y, thickness, top, side, behind, before, soil?.WaterDepth is { } deep ? behind - deep : null, uprights,
            levels, starters);
    }
}
