using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>Stretches of a rib over which its stirrups stand alike, measured below its elevation.</summary>
internal static class DetailStirrups
{
    private const double Row = 9;
    private const double UnderLine = 3.4;

    /// <summary>Room that they take below the elevation, mm; none where all stand alike.</summary>
    public static double Tall(DetailModel m) => m.State.BeamFigure is { Stretches.Count: > 1 } ? Row : 0;

    /// <summary>Draws from where to where they stand how far apart; the whole closes with the length of the rib.</summary>
    /// <param name="to">The canvas.</param>
    /// <param name="m">The footing.</param>
    /// <param name="p">Where a point of the elevation lies on the sheet.</param>
    /// <param name="under">Where the lowest line of measures lies, mm.</param>
    public static void Along(Canvas to, DetailModel m, Func<double, double, At> p, double under)
    {
        if (m.State.BeamFigure is not { Stretches: { Count: > 1 } all } beam)
        {
            return;
        }

        var y = under - 6;
        for (var i = 0; i < all.Count; i++)
        {
            var (from, end) = (i == 0 ? beam.From : all[i].From, i == all.Count - 1 ? beam.To : all[i].To);
            to.Measure(new(p(from, 0).X, y), new(p(end, 0).X, y), false, y, Canvas.Length(end - from, m.Units));
            var words = "@ " + Dimension.Section(all[i].Spacing, m.Units);
            to.Write(Layers.BarMark, new(p((from + end) / 2, 0).X, y - UnderLine), words, Anchor.Middle,
                Layout.Fitted(words, Canvas.Text, Math.Max(1, p(end, 0).X - p(from, 0).X)));
        }
    }
}
