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
        string S(double v) => Dimension.Section(v, units);
        return
        [
            units == UnitSystem.Us ? "Dimensions and levels in feet and inches." : "Dimensions in millimetres, levels in metres.",
            $"Concrete {project.Code.Letter("f'c")} {Stress(project, first.Concrete.Strength)}; reinforcement "
                + $"{project.Code.GradePrefix}{Grade(project, first.Steel.Yield)}, {project.Code.Letter("fy")} "
                + $"{Stress(project, first.Steel.Yield)}, where a footing has no other.",
            .. project.Foundations.Any(f => f.Kind.BearsOnGround) ? (string[])[Bearing(project)] : [],
            .. Piles(project),
            $"Cover: bottom {S(first.Concrete.CoverBottom)}, sides {S(first.Concrete.CoverSide)}, top {S(first.Concrete.CoverTop)}. "
                + $"{(first.Concrete.Blinding > 0 ? S(first.Concrete.Blinding) : "No")} {Wording.Blinding(units)}.",
            $"Designed to {project.Code.Name} and {project.LoadsAndGround}.",
            $"Footings are {(units == UnitSystem.Us ? "centered" : "centred")} under their columns where no dimension says otherwise.",
            .. project.Drawings.Notes,
        ];
    }

    // What the piles are and may carry, and how they are called.
    private static IEnumerable<string> Piles(Project project)
    {
        var units = project.Units;
        string F(double v) => Unit.Force.FormatWithSymbol(v, units);
        foreach (var (rules, marks) in project.Foundations.Where(f => !f.Kind.BearsOnGround)
            .GroupBy(f => f.Rules.Piles)
            .Select(g => (g.Key, Marks: g.Select(f => f.Mark).ToList())))
        {
            var of = marks.Count == project.Foundations.Count(f => !f.Kind.BearsOnGround) ? "" : " of " + Wording.Marks(marks);
            var carries = (rules.Compression is { } c ? $" {F(c)} in compression" : "")
                + (rules.Compression is null ? " found from the ground's layers by their length" : "")
                + (rules.Tension is { } t ? $", {F(t)} in tension" : "") + (rules.Lateral is { } h ? $", {F(h)} across" : "");
            yield return $"Piles{of}: {Core.Piles.PileWords.Of(rules, units)}, {(rules.OfStrength ? "resistance" : "allowable")}{carries}"
                + $"{(rules.Source.Length > 0 ? $" ({rules.Source})" : "")}. {marks[0]}/3 is pile 3 of {marks[0]}.";
        }
    }

    private static string Stress(Project project, double v) =>
        project.Units == UnitSystem.Us
            ? Unit.Psi.In(v, project.Units).ToString("#,##0", CultureInfo.InvariantCulture) + " psi"
            : Unit.Stress.FormatTraced(v, project.Units);

    // Grades of bars are their yield in ksi or MPa.
    private static string Grade(Project project, double yield) =>
        Unit.Significant(project.Units == UnitSystem.Us
            ? Unit.Psi.In(yield, project.Units) / 1000
            : Unit.Megapascal.In(yield, project.Units));

    /// <summary>Concrete, grade of bars and bearing of one footing.</summary>
    public static string Materials(Project project, Core.Foundations.Foundation foundation)
    {
        var rules = foundation.Rules;
        var ground = foundation.Places[0].Ground;
        var bears = foundation.Kind.BearsOnGround ? Bears(ground, project.Units) : null;
        return $"{project.Code.Letter("f'c")} {Stress(project, rules.Concrete.Strength)}, reinforcement "
            + $"{project.Code.GradePrefix}{Grade(project, rules.Steel.Yield)}"
            + (bears is null ? "." : $", {bears}.");
    }

    // What is stated of bearing; null: it is found from the strength of the soil.
    private static string? Bears(Core.Ground.GroundRules ground, UnitSystem units)
    {
        string?[] stated =
        [
            ground is { Design: not null, Resistance: { } r }
                ? $"design bearing resistance {Unit.Pressure.FormatTraced(r, units)} ({Core.Ground.LimitStateDesign.Name})" : null,
            double.IsNaN(ground.Bearing) ? null
                : $"{(ground.Design is null ? "allowable bearing" : "bearing under characteristic loads")} {Allowable(ground, units)}",
        ];
        var told = stated.OfType<string>().ToList();
        return told.Count == 0 ? null : string.Join(", ", told);
    }

    private static string Increased(double times) =>
        times == 1 ? "" : string.Create(CultureInfo.InvariantCulture, $", × {times:0.##} with wind or earthquake");

    private static string Allowable(Core.Ground.GroundRules ground, UnitSystem units) =>
        $"{Unit.Pressure.FormatTraced(ground.Bearing, units)} {(ground.Basis == Core.Ground.BearingBasis.Net ? "net" : "gross")}";

    // The pressure that the ground is designed for, with its basis.
    private static string Bearing(Project project)
    {
        var units = project.Units;
        var grounds = project.Foundations.Where(f => f.Kind.BearsOnGround)
            .SelectMany(f => f.Places.Select(p => p.Ground))
            .DistinctBy(g => (g.Name, g.Bearing, g.Resistance))
            .Where(g => Bears(g, units) is not null)
            .ToList();
        return grounds.Count == 0
            ? "Bearing found from the strength of the soil; see the calculations."
            : First(string.Join("; ", grounds.Take(3).Select((g, i) =>
                (i == 0 || g.Design is not null ? Bears(g, units)! : Allowable(g, units)) + Increased(g.TransientIncrease)
                    + (g.Name.Length > 0 ? $" ({g.Name})" : "")))) + ".";

        static string First(string words) => char.ToUpperInvariant(words[0]) + words[1..];
    }

    /// <summary>Notes in lines, each numbered, of the width of the title block.</summary>
    public static IReadOnlyList<string> Lines(IReadOnlyList<string> notes) =>
        [
            .. notes.SelectMany((note, i) => Layout.Wrapped(string.Create(CultureInfo.InvariantCulture, $"{i + 1}. {note}"),
                Layout.SmallestText, Layout.TitleWidth - 8).Select((line, j) => j == 0 ? line : "    " + line))];

    /// <summary>Height that notes take over the title block, mm.</summary>
    public static double Height(IReadOnlyList<string> notes) => 12 + (3.6 * Lines(notes).Count);

    public static void Add(List<Item> items, Project project, IReadOnlyList<string> notes, At corner, DrawingScale scale, double per,
        At low)
    {
        var units = project.Units;
        var lines = Lines(notes);
        var y = corner.Y + 6 + (3.6 * lines.Count);
        items.Add(new TextItem(Layers.Note, new(corner.X, y), 2.2, "Notes", Anchor.Left, 0, true));
        foreach (var line in lines)
        {
            y -= 3.6;
            items.Add(new TextItem(Layers.Note, new(corner.X, y), Layout.Fitted(line, Layout.SmallestText, Layout.TitleWidth - 4), line));
        }

        // A bar of whole metres (or tens of feet) of about 50 mm.
        var unit = units == UnitSystem.Us ? 0.3048 : 1;
        var step = new[] { 0.5, 1, 2, 5, 10, 20, 50, 100 }.First(s => s * unit * per >= 8);
        var (x0, y0) = (low.X + 6, low.Y + 4);
        for (var i = 0; i < 5; i++)
        {
            var (a, b) = (x0 + (i * step * unit * per), x0 + ((i + 1) * step * unit * per));
            items.Add(Layout.Rectangle(Layers.Note, new(a, y0), new(b, y0 + 1.5), Stroke.Fine, i % 2 == 0 ? Fill.Solid : Fill.Paper));
            items.Add(new TextItem(Layers.Note, new(a, y0 + 2.4), Layout.SmallestText,
                (i * step).ToString("0.#", CultureInfo.InvariantCulture), Anchor.Middle));
        }

        items.Add(new TextItem(Layers.Note, new(x0 + (5 * step * unit * per), y0 + 2.4), Layout.SmallestText,
            (5 * step).ToString("0.#", CultureInfo.InvariantCulture) + (units == UnitSystem.Us ? " ft" : " m") + "   " + scale.Words,
            Anchor.Left));

        North(items, project, new(low.X + 28, low.Y + 18));

        // The project's axes.
        var (ax, ay) = (low.X + 6, low.Y + 12);
        items.Add(new PathItem(Layers.Note, [new(ax, ay + 9), new(ax, ay), new(ax + 9, ay)], false, Stroke.Thin));
        items.Add(new PathItem(Layers.Note, [new(ax - 0.8, ay + 7.4), new(ax, ay + 9.6), new(ax + 0.8, ay + 7.4)], true, Stroke.Fine,
            Fill.Solid));
        items.Add(new PathItem(Layers.Note, [new(ax + 7.4, ay - 0.8), new(ax + 9.6, ay), new(ax + 7.4, ay + 0.8)], true, Stroke.Fine,
            Fill.Solid));
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
