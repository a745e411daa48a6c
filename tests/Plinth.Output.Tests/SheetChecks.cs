using System.Globalization;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;

namespace Plinth.Output.Tests;

/// <summary>What holds of every sheet that may be issued.</summary>
internal static class SheetChecks
{
    /// <summary>No text lies on another, all lie within the paper and none is too small for print.</summary>
    public static void Legible(Sheet sheet, string why, double smallest = 1.8)
    {
        var boxes = sheet.Items.SelectMany(i => i is DimensionItem d ? Strokes.Of(d) : [i]).OfType<TextItem>()
            .Where(t => t.Angle is 0 or 90)
            .Select(t =>
        {
            var w = Lettering.Width(t.Text, t.Height, t.Bold);
            var start = t.Anchor switch { Anchor.Left => 0, Anchor.Middle => -w / 2, _ => -w };
            return t.Angle == 0
                ? (t.Text, X0: t.Point.X + start, Y0: t.Point.Y, X1: t.Point.X + start + w, Y1: t.Point.Y + t.Height)
                : (t.Text, X0: t.Point.X - t.Height, Y0: t.Point.Y + start, X1: t.Point.X, Y1: t.Point.Y + start + w);
        })
            .ToList();
        for (var i = 0; i < boxes.Count; i++)
        {
            var a = boxes[i];
            (a.X0 >= -0.01 && a.Y0 >= -0.01 && a.X1 <= sheet.Paper.Width + 0.01
                && a.Y1 <= sheet.Paper.Height + 0.01).Should().BeTrue($"\"{a.Text}\" lies on the paper, {why}");
            foreach (var b in boxes.Skip(i + 1))
            {
                (a.X0 < b.X1 - 0.05 && b.X0 < a.X1 - 0.05 && a.Y0 < b.Y1 - 0.05
                    && b.Y0 < a.Y1 - 0.05).Should().BeFalse(
                        $"\"{a.Text}\" and \"{b.Text}\" lie apart on {sheet.Paper.Name} at {sheet.Scale.Words}, {why}");
            }
        }

        var least = sheet.Items.OfType<TextItem>().Where(t => t.Layer != Layers.Frame && t.Text.Length > 0).MinBy(t => t.Height)!;
        least.Height.Should().BeGreaterThanOrEqualTo(smallest - 1e-9, $"\"{least.Text}\" is legible in print, {why}");
    }

    /// <summary>Every dimension says what it measures at the sheet's scale, or its section's, to half a millimetre.</summary>
    public static void Dimensions(Sheet sheet, DrawingScale scale)
    {
        foreach (var d in sheet.Items.OfType<DimensionItem>())
        {
            var measured = (d.Vertical ? Math.Abs(d.To.Y - d.From.Y) : Math.Abs(d.To.X - d.From.X)) * scale.Ratio / d.Times;
            if (d.Text.Contains('\'', StringComparison.Ordinal))
            {
                d.Text.Should().Be(Dimension.Feet(measured / 1000));
            }
            else
            {
                double.Parse(d.Text, CultureInfo.InvariantCulture).Should().BeApproximately(measured, 0.5 + 1e-6);
            }
        }
    }
}
