using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;
using Plinth.Drawing.Figures;
using Plinth.Drawing.Sheets;
using Plinth.Reports.Documents;

namespace Plinth.Reports.Building;

/// <summary>The chapter of one footing.</summary>
internal static class FootingChapter
{
    // Width of a page's text, mm: figures keep within it.
    private const double PageWidth = 174;
    private const double PlanWidth = 98;
    private const double PlanHeight = 104;
    private const double CutHeight = 78;

    public static string TitleOf(FoundationReport r) =>
        $"{r.Foundation.Mark}, {r.Foundation.Kind.Title} under {Wording.Supports(r.Foundation)}";

    /// <summary>The tone of a result.</summary>
    public static Tone ToneOf(FoundationReport r) => !r.Passes ? Tone.Fail : r.Result!.Checks.Any(c => c.Allowed) ? Tone.Leave : Tone.Pass;

    private static Tone ToneOf(CheckResult c) =>
        c.Outcome.Shown ? Tone.Quiet : !c.Passes ? Tone.Fail : c.Allowed || c.Leave is { UpTo: null } ? Tone.Leave : Tone.Pass;

    public static IReadOnlyList<Block> Of(ReportInput input, FoundationReport report, string anchor, bool newPage)
    {
        var (project, f) = (input.Project, report.Foundation);
        var blocks = new List<Block> { new Heading(2, TitleOf(report), anchor, newPage) };
        if (report.Design is not { } design || report.Result is not { } result)
        {
            blocks.Add(new Paragraph("✗ not sized", Tone.Fail));
            return blocks;
        }

        blocks.AddRange(Data(project, f, design));
        blocks.Add(Actions(project, f));
        blocks.Add(Checks(project, result));
        blocks.AddRange(result.Notes.Select(n => new Paragraph("· " + n)));
        blocks.AddRange(Wording.Leaves([f]).Select(l => new Paragraph("! " + l, Tone.Leave)));
        blocks.Add(new Paragraph(Wording.NotChecked(project, [f]), Tone.Quiet));
        var figures = new FoundationFigures(project, f, design);
        var known = input.Combination is { } name && PartialLive.Used(project, f).Any(c => c.Name == name) ? input.Combination : null;
        Figure? Make(FigureKind kind, double width, double height) => figures.Make(kind, known, width, height);
        var detail = new DetailModel(project, f, design, input.Bars);
        if (detail.State.BeamFigure is not null)
        {
            var scale = Fit(detail, (detail.State.Body.Length, PageWidth - BeamDetail.Around));
            Add(blocks, BeamDetail.Plan(detail, scale));
            Add(blocks, BeamDetail.Elevation(detail, scale));
            Add(blocks, Make(FigureKind.Pressure, PageWidth, 100));
        }
        else if (detail.State.Columns.Length > 1)
        {
            var scale = Fit(detail, (detail.State.Body.Length, PageWidth - SpanDetail.Around));
            Add(blocks, SpanDetail.Plan(detail, scale));
            Add(blocks, SpanDetail.Section(detail, null, scale));
            Add(blocks, Make(FigureKind.Pressure, PageWidth, 100));
        }
        else
        {
            Add(blocks, Plan(detail), Make(FigureKind.Pressure, PageWidth - PlanWidth - 2, 100));
            Add(blocks, detail.State.WallFigure is null ? Cut(detail) : WallDetail.Of(detail, WallDetail.Scale(detail, PageWidth, 170)));
        }

        Add(blocks, Make(FigureKind.Piles, PageWidth, 90));
        Add(blocks, Make(FigureKind.Body, PageWidth, 110));
        Add(blocks, Make(FigureKind.Steel, PageWidth, 60));
        if (input.Depth == ReportDepth.Checks)
        {
            return blocks;
        }

        Add(blocks, Make(FigureKind.Sections, PageWidth, 90));
        Add(blocks, Make(FigureKind.Struts, PageWidth, 120));
        Add(blocks, Make(FigureKind.Forces, PageWidth, 90));
        Add(blocks, Make(FigureKind.Pedestal, PageWidth, 90));
        Add(blocks, Make(FigureKind.Shaft, PageWidth, 90));
        var checker = new Checker(project, f);
        var told = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var check in result.Checks)
        {
            blocks.AddRange(Steps(project, checker, design, check, known, told));
        }

        return blocks;
    }

    private static void Add(List<Block> blocks, params Figure?[] figures)
    {
        Figure[] there = [.. figures.OfType<Figure>()];
        if (there.Length > 0)
        {
            blocks.Add(new FigureRow(there));
        }
    }

    private static IEnumerable<Block> Data(Project project, Foundation f, FoundationDesign design)
    {
        var units = project.Units;
        string L(double v) => Dimension.Plan(v, units);
        string S(double v) => Dimension.Section(v, units);
        var (concrete, steel) = (f.Rules.Concrete, f.Rules.Steel);
        var rows = new List<IReadOnlyList<Cell>>();
        void Row(string what, string value) => rows.Add([new(what, Tone.Quiet), new(value)]);
        Row("size", design.Bases.Count > 1 ? Wording.Size(design, units)
            : $"{L(design.Size.Length)} along x × "
                + $"{L(design.Size.Width)}{(design.EndWidth == design.Size.Width ? "" : " to " + L(design.EndWidth))} along y × "
                + $"{S(design.Size.Thickness)} thick{(design.OutlineName.Length == 0 ? "" : $", a {design.OutlineName}")}");
        Row("bottom bars",
            $"{design.Bars(true, true)} along x, {design.Bars(false, true)} along y; {(f.Kind.OuterIsX(f, design) ? "x" : "y")} outermost");
        foreach (var (name, words) in design.Others(units))
        {
            Row(name, words);
        }

        Row("top bars", design.HasTop ? $"{design.Bars(true, false)} along x, {design.Bars(false, false)} along y" : "none");
        foreach (var (name, words) in Wording.Uprights(design, f.Places[0], units, drawn: true))
        {
            Row(name, words);
        }

        Row("materials",
            $"{project.Code.Letter("f'c")} {Unit.Stress.FormatTraced(concrete.Strength, units)}, {project.Code.Letter("fy")} "
                + $"{Unit.Stress.FormatTraced(steel.Yield, units)}, concrete "
                + $"{Unit.UnitWeight.FormatTraced(concrete.Weight, units)}; cover bottom {S(concrete.CoverBottom)}, sides "
                + $"{S(concrete.CoverSide)}, top {S(concrete.CoverTop)}");
        foreach (var place in f.Places)
        {
            var g = place.Ground;
            var origin = BaseGeometry.Offset(f, place, design);
            var underside = g.Underside(design.WholeDepth);
            foreach (var (s, own) in place.Supports.Zip(place.InOwnAxes()))
            {
                var o = place.Lie.Mirrored ? origin : new PlanPoint(origin.X + own.X, origin.Y + own.Y);
                var column = s.Shape == ColumnShape.Round
                    ? $"round, {S(s.SizeX)}"
                    : $"{S(s.SizeX)} × {S(s.SizeY)}"
                        + (s.Shape == ColumnShape.Steel ? $" steel, plate {S(s.PlateX)} × {S(s.PlateY)}"
                            : s.Shape == ColumnShape.Masonry ? " masonry"
                            : "");
                var turned = place.AngleDegrees == 0 ? ""
                    : $", base turned {place.AngleDegrees.ToString("0.##", CultureInfo.InvariantCulture)}°";
                var lies = o.X != 0 || o.Y != 0 ? $"{S(o.X)} along x and {S(o.Y)} along y from the base's centre" : "on the base's centre";
                Row(s.Label + (s.Grid.Length > 0 ? $" ({s.Grid})" : ""),
                    $"{(s.IsWall ? "wall" : "column")} {column}{turned}{(place.Lie.Mirrored ? ", mirrored" : "")}, {lies}; "
                        + $"{Wording.Underside(units)} at {L(underside)}, {L(g.Level - underside)} below the ground"
                        + $"{(g.Name.Length > 0 ? " " + g.Name : "")}; soil {Unit.UnitWeight.FormatTraced(g.SoilWeight, units)}");
            }
        }

        yield return new Table("", [new(""), new("")], rows);
    }

    // The actions as the checks take them, in the base's own axes.
    private static Table Actions(Project project, Foundation f)
    {
        var units = project.Units;
        string F(double v) => Unit.Force.Format(v, units).Replace('-', '−');
        string M(double v) => Unit.Moment.Format(v, units).Replace('-', '−');
        var (force, moment) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
        var rows = new List<IReadOnlyList<Cell>>();
        foreach (var place in f.Places)
        {
            foreach (var (support,
                i) in place.Supports.SelectMany(s => Enumerable.Range(0, project.Actions[s.Label].Length).Select(i => (s, i))))
            {
                var a = project.Actions[support.Label][i].InAxesTurnedBy(place.AngleDegrees);
                if (project.Cases[i].HasReactions && a != default)
                {
                    rows.Add([new(support.Label), new(project.Cases[i].Name, Tone.Strong), new(F(a.N)), new(F(a.Fx)), new(F(a.Fy)),
                        new(M(a.Mx)), new(M(a.My))]);
                }
            }
        }

        return new Table(
            "Actions of the column by case, not factored, in the base's axes, at "
                + (f.Supports.Any(s => s.Level is not null) ? "the level where the reactions act" : "the top of what it stands on"),
            [new("at"), new("case"), new($"N {force}", true), new($"Fx {force}", true), new($"Fy {force}", true), new($"Mx {moment}", true),
                new($"My {moment}", true)], rows);
    }

    private static Table Checks(Project project, FoundationResult result)
    {
        var units = project.Units;
        var several = result.Checks.Select(c => c.Place).OfType<string>().Distinct().Count() > 1;
        var many = several || result.Checks.Any(c => c.At is not null);
        return new Table("Checks, each in its governing combination",
            [new("check"), .. many ? (Column[])[new("at")] : [], new("combination"), new("demand", true), new("capacity", true),
                new("unit"), new("util.", true), new("result"), new("clause"), new("note")],
            [.. result.Checks.Select(c => (IReadOnlyList<Cell>)
            [
                new(Wording.Words(c), Tone.Strong), .. many ? (Cell[])[new((several ? c.Where : c.At) ?? "")] : [],
                new(Wording.Combination(c)), new(Wording.Value(c.Outcome.Demand, c.Unit, units)),
                new(Wording.Value(c.Outcome.Capacity, c.Unit, units)), new(c.Unit.Symbol(units)),
                new(Wording.Utilisation(c.Utilisation, c.Outcome.Passes), ToneOf(c)), new(Wording.Verdict(c), ToneOf(c)),
                new(c.Clause ?? "statics", Tone.Quiet),
                new((c.Outcome.Least > 0
                    ? string.Create(CultureInfo.InvariantCulture,
                        $"factor {Math.Min(c.Outcome.Factor, 99.99):0.00}, least {c.Outcome.Least:0.00}")
                        + (NoteOf(c).Length == 0 ? "" : "; ")
                    : "") + NoteOf(c), Tone.Quiet),
            ])]);
    }

    private static Figure Plan(DetailModel m)
    {
        var (across, up) = DetailPlan.Around(m);
        return DetailPlan.Of(m, Fit(m, (m.State.Body.Length, PlanWidth - across), (m.State.Body.Width, PlanHeight - up)));
    }

    private static Figure Cut(DetailModel m)
    {
        var (across, up) = DetailSection.Around(m);
        return DetailSection.Of(m, true, Fit(m, (m.State.Body.Length, PageWidth - across), (DetailSection.Height(m), CutHeight - up)));
    }

    private static DrawingScale Fit(DetailModel m, params (double Length, double Space)[] sizes)
    {
        var scales = DrawingScale.For(m.Units);
        return scales.FirstOrDefault(s => sizes.All(v => v.Length * 1000 / s.Ratio <= v.Space)) ?? scales[^1];
    }

    // Sums and contact of a combination are the same in many checks of a footing: told once, named where they come again.
    private static List<CalculationStep> Once(IReadOnlyList<CalculationStep> steps, string title, Dictionary<string, string> told)
    {
        var kept = new List<CalculationStep>();
        for (var from = 0; from < steps.Count;)
        {
            var to = from + 1;
            while (to < steps.Count && steps[to].Kind != TraceKind.Heading)
            {
                to++;
            }

            var part = steps.Skip(from).Take(to - from).ToList();
            if (part[0].Kind == TraceKind.Heading && part.Count > 2 && told.TryGetValue(string.Join('\n', part), out var where))
            {
                kept.Add(new CalculationStep(TraceKind.Remark, $"{part[0].Symbol}: as under {where}.", "", "", "", ""));
            }
            else
            {
                told.TryAdd(string.Join('\n', part), title);
                kept.AddRange(part);
            }

            from = to;
        }

        return kept;
    }

    // What the check's own words say already is not said again.
    private static string NoteOf(CheckResult c) => c.Note is null || c.Note == Wording.Words(c) ? "" : c.Note;

    private static IEnumerable<Block> Steps(Project project, Checker checker, FoundationDesign design, CheckResult result,
        string? combination, Dictionary<string, string> told)
    {
        var units = project.Units;
        if (CheckCatalog.Find(result.Id) is not { } check)
        {
            yield break;
        }

        var asked = combination is not null && !check.IsOfBars
            && PartialLive.Used(project, checker.Foundation).First(c => c.Name == combination).IsFor(check.For) ? combination : null;
        if (checker.Trace(design, check.Id, result.Place, asked, result.At) is not { } found)
        {
            yield break;
        }

        var r = found.Result;
        var title =
            $"{Wording.Words(r)}{(r.Where is null ? "" : " at " + r.Where)}{(r.Combination is null ? "" : ", " + Wording.Combination(r))}";
        yield return new Heading(3, title);
        yield return new Steps(Once(
            [.. found.Steps.Select(s => new CalculationStep(
                s.Kind, s.Symbol, s.FormulaText,
                s.Kind is TraceKind.Formula or TraceKind.Empirical && s.Formula.Any(p => p.Text is null) ? s.Substituted(units) : "",
                s.Kind is TraceKind.Heading or TraceKind.Remark ? "" : s.Result(units), s.Clause ?? ""))],
            title,
            told));
        yield return new Paragraph(
            $"Utilisation {Wording.Utilisation(r.Utilisation, r.Outcome.Passes)}: "
                + $"{Wording.Verdict(r)}{(r.Note is null ? "" : $" ({r.Note})")}", ToneOf(r));
    }
}
