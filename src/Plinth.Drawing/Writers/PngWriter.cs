using Plinth.Drawing.Sheets;
using SkiaSharp;

namespace Plinth.Drawing.Writers;

/// <summary>Paints a sheet as PNG.</summary>
public static class PngWriter
{
    /// <summary>Writes a sheet as a PNG.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="dotsPerInch">Resolution.</param>
    public static byte[] Write(Sheet sheet, double dotsPerInch = 150)
    {
        ArgumentNullException.ThrowIfNull(sheet);
        var scale = dotsPerInch / 25.4;
        using var bitmap = new SKBitmap((int)Math.Round(sheet.Paper.Width * scale), (int)Math.Round(sheet.Paper.Height * scale),
            SKColorType.Rgba8888, SKAlphaType.Opaque);
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(SKColors.White);
        canvas.Scale((float)scale);
        Paint(canvas, sheet);
        canvas.Flush();
        using var pixels = bitmap.PeekPixels() ?? throw new InvalidOperationException("The picture has no pixels.");

        // Line drawings pack best, and fastest, unfiltered.
        using var data = pixels.Encode(new SKPngEncoderOptions(SKPngEncoderFilterFlags.None, 6))
            ?? throw new InvalidOperationException("The picture cannot be packed.");
        return data.ToArray();
    }

    private static void Paint(SKCanvas canvas, Sheet sheet)
    {
        foreach (var item in sheet.Items)
        {
            Paint(canvas, sheet, item);
        }
    }

    private static void Paint(SKCanvas canvas, Sheet sheet, Item item)
    {
        SKPoint P(At at) => new((float)at.X, (float)(sheet.Paper.Height - at.Y));
        switch (item)
        {
            case PathItem p:
                using (var builder = new SKPathBuilder())
                {
                    builder.MoveTo(P(p.Points[0]));
                    foreach (var point in p.Points.Skip(1))
                    {
                        builder.LineTo(P(point));
                    }

                    if (p.Closed)
                    {
                        builder.Close();
                    }

                    using var path = builder.Detach();
                    Both(p.Fill, p.Tint, p.Stroke, paint => canvas.DrawPath(path, paint));
                }

                foreach (var line in Strokes.Hatch(p))
                {
                    Paint(canvas, sheet, line);
                }

                break;
            case CircleItem c:
                Both(c.Fill, null, c.Stroke, paint => canvas.DrawCircle(P(c.Centre), (float)c.Radius, paint));
                break;
            case TextItem t:
                using (var font = new SKFont(Lettering.Face(t.Bold), (float)Lettering.SizeOf(t.Height))
                {
                    Hinting = SKFontHinting.None,
                    Subpixel = true
                })
                using (var paint = new SKPaint { Color = SKColors.Black, IsAntialias = true })
                {
                    var at = P(t.Point);
                    canvas.Save();
                    canvas.RotateDegrees((float)-t.Angle, at.X, at.Y);
                    canvas.DrawText(Texts.Clean(t.Text), at.X, at.Y,
                        t.Anchor switch { Anchor.Left => SKTextAlign.Left, Anchor.Middle => SKTextAlign.Center, _ => SKTextAlign.Right },
                        font, paint);
                    canvas.Restore();
                }

                break;
            case DimensionItem d:
                foreach (var part in Strokes.Of(d))
                {
                    Paint(canvas, sheet, part);
                }

                break;
        }
    }

    private static void Both(Fill fill, int? tint, Stroke stroke, Action<SKPaint> draw)
    {
        if (tint is not null || fill is Fill.Paper or Fill.Light or Fill.Solid)
        {
            using var inside = new SKPaint
            {
                Style = SKPaintStyle.Fill,
                IsAntialias = true,
                Color = tint is { } rgb
                    ? new SKColor((uint)rgb | 0xFF000000)
                    : fill switch { Fill.Paper => SKColors.White, Fill.Light => new SKColor(0xE6, 0xE9, 0xEC), _ => SKColors.Black }
            };
            draw(inside);
        }

        if (stroke.Width > 0)
        {
            var pattern = Strokes.Pattern(stroke.Dash);
            using var dash = pattern.Length > 0 ? SKPathEffect.CreateDash([.. pattern.Select(v => (float)v)], 0) : null;
            using var line = new SKPaint
            {
                Style = SKPaintStyle.Stroke,
                IsAntialias = true,
                Color = SKColors.Black,
                StrokeWidth = (float)stroke.Width,
                StrokeJoin = SKStrokeJoin.Round,
                PathEffect = dash
            };
            draw(line);
        }
    }
}
