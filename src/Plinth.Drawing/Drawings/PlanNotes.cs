using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>What is written beside a plan: notes, scale bar, axes.</summary>
internal static class PlanNotes
{
    /// <summary>The notes of the foundation plan.</summary>
    public static IReadOnlyList<string> Of(Project project)
    {
        var units = project.Units;
        var first = project.Foundations[0].Rules;
        string S(double v) => Unit.Section.FormatWithSymbol(v, units);
        return
        [
            units == UnitSystem.Us ? "Dimensions in feet and inches, levels in feet." : "Dimensions in millimetres, levels in metres.",
            $"Concrete f'c {Unit.Stress.FormatTraced(first.Concrete.Strength, units)}, reinforcement fy {Unit.Stress.FormatTraced(first.Steel.Yield, units)}, where a footing has no other.",
            Bearing(project),
            $"Cover: bottom {S(first.Concrete.CoverBottom)}, sides {S(first.Concrete.CoverSide)}, top {S(first.Concrete.CoverTop)}. {(first.Concrete.Blinding > 0 ? $"{(units == UnitSystem.Us ? "Mud slab" : "Blinding")} {S(first.Concrete.Blinding)}." : units == UnitSystem.Us ? "No mud slab." : "No blinding.")}",
            $"Designed to {project.Code.Name} and {project.Standard.Name}.",
            "Footings are centred under their columns where no dimension says otherwise.",
        ];
    }

    // The pressure that the ground is designed for, with its basis.
    private static string Bearing(Project project)
    {
        var units = project.Units;
        var grounds = project.Foundations.SelectMany(f => f.Places.Select(p => p.Ground)).DistinctBy(g => (g.Name, g.Bearing)).Where(g => !double.IsNaN(g.Bearing)).ToList();
        return grounds.Count == 0
            ? "Bearing found from the strength of the soil; see the calculations."
            : "Allowable bearing " + string.Join("; ", grounds.Take(3).Select(g => $"{Unit.Pressure.FormatTraced(g.Bearing, units)} {(g.Basis == Core.Ground.BearingBasis.Net ? "net" : "gross")}{(g.TransientIncrease != 1 ? string.Create(CultureInfo.InvariantCulture, $", × {g.TransientIncrease:0.##} with wind or earthquake") : "")}{(g.Name.Length > 0 ? $" ({g.Name})" : "")}")) + ".";
    }

    public static void Add(List<Item> items, Project project, IReadOnlyList<string> notes, At corner, DrawingScale scale, double per, At low)
    {
        var units = project.Units;
        var y = corner.Y + 6 + (3.6 * notes.Count);
        items.Add(new TextItem(Layers.Note, new(corner.X, y), 2.2, "Notes", Anchor.Left, 0, true));
        foreach (var note in notes)
        {
            y -= 3.6;
            items.Add(new TextItem(Layers.Note, new(corner.X, y), Layout.Fitted(note, Layout.SmallestText, Layout.TitleWidth - 4), note));
        }

        // A bar of whole metres (or tens of feet) of about 50 mm.
        var unit = units == UnitSystem.Us ? 0.3048 : 1;
        var step = new[] { 0.5, 1, 2, 5, 10, 20, 50, 100 }.First(s => s * unit * per >= 8);
        var (x0, y0) = (low.X + 6, low.Y + 4);
        for (var i = 0; i < 5; i++)
        {
            var (a, b) = (x0 + (i * step * unit * per), x0 + ((i + 1) * step * unit * per));
            items.Add(Layout.Rectangle(Layers.Note, new(a, y0), new(b, y0 + 1.5), Stroke.Fine, i % 2 == 0 ? Fill.Solid : Fill.Paper));
            items.Add(new TextItem(Layers.Note, new(a, y0 + 2.4), Layout.SmallestText, (i * step).ToString("0.#", CultureInfo.InvariantCulture), Anchor.Middle));
        }

        items.Add(new TextItem(Layers.Note, new(x0 + (5 * step * unit * per), y0 + 2.4), Layout.SmallestText, (5 * step).ToString("0.#", CultureInfo.InvariantCulture) + (units == UnitSystem.Us ? " ft" : " m") + "   " + scale.Words, Anchor.Left));

        North(items, project, new(low.X + 28, low.Y + 18));

        // The project's axes.
        var (ax, ay) = (low.X + 6, low.Y + 12);
        items.Add(new PathItem(Layers.Note, [new(ax, ay + 9), new(ax, ay), new(ax + 9, ay)], false, Stroke.Thin));
        items.Add(new PathItem(Layers.Note, [new(ax - 0.8, ay + 7.4), new(ax, ay + 9.6), new(ax + 0.8, ay + 7.4)], true, Stroke.Fine, Fill.Solid));
        items.Add(new PathItem(Layers.Note, [new(ax + 7.4, ay - 0.8), new(ax + 9.6, ay), new(ax + 7.4, ay + 0.8)], true, Stroke.Fine, Fill.Solid));
        items.Add(new TextItem(Layers.Note, new(ax + 10.4, ay - 0.9), 2, "x"));
        items.Add(new TextItem(Layers.Note, new(ax - 0.8, ay + 10.6), 2, "y"));
    }

    // Where the project states it; else nothing is drawn that could be taken for it.
    private static void North(List<Item> items, Project project, At centre)
    {
        if (project.Site.NorthDegrees is not { } angle)
        {
            return;
        }

        var (sin, cos) = Core.Loads.SupportAction.SinCosDegrees(angle);
        At P(double across, double along) => centre + ((across * cos) - (along * sin), (across * sin) + (along * cos));
        items.Add(new CircleItem(Layers.Note, centre, 5, Stroke.Fine));
        items.Add(new PathItem(Layers.Note, [P(0, 5), P(1.6, -3.6), P(0, -2.2)], true, Stroke.Fine, Fill.Solid));
        items.Add(new PathItem(Layers.Note, [P(0, 5), P(-1.6, -3.6), P(0, -2.2)], true, Stroke.Fine, Fill.Paper));
        var at = P(0, 7.4);
        items.Add(new TextItem(Layers.Note, at + (0, -1.1), 2.2, "N", Anchor.Middle, 0, true));
    }
}
