using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>The cloud round what changed since the issue before.</summary>
internal static class Cloud
{
    private const double Off = 2.5;
    private const double Arc = 5;
    private const int Steps = 8;

    /// <summary>A closed line of arcs that bulge outwards, round the box of some points.</summary>
    /// <param name="layer">Its layer.</param>
    /// <param name="points">What it goes round.</param>
    public static PathItem Round(string layer, IReadOnlyList<At> points)
    {
        var (x0, x1, y0, y1) = (points.Min(p => p.X) - Off, points.Max(p => p.X) + Off, points.Min(p => p.Y) - Off,
            points.Max(p => p.Y) + Off);
        At[] corners = [new(x0, y0), new(x1, y0), new(x1, y1), new(x0, y1)];
        var line = new List<At>();
        for (var side = 0; side < 4; side++)
        {
            var (a, b) = (corners[side], corners[(side + 1) % 4]);
            var length = Math.Abs(b.X - a.X) + Math.Abs(b.Y - a.Y);
            var count = Math.Max(2, (int)Math.Round(length / Arc));
            var (ux, uy) = ((b.X - a.X) / count, (b.Y - a.Y) / count);
            for (var i = 0; i < count; i++)
            {
                // Half circles, walked anticlockwise round the box, so that outwards lies on the right.
                for (var k = 0; k < Steps; k++)
                {
                    var (sin, cos) = Math.SinCos(Math.PI * k / Steps);
                    var (along, out1) = (i + ((1 - cos) / 2), sin / 3);
                    line.Add(new At(a.X + (ux * along) + (uy * out1), a.Y + (uy * along) - (ux * out1)));
                }
            }
        }

        return new PathItem(layer, line, true, Stroke.Edge);
    }
}
