using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Output;

/// <summary>Prints what sizing and checking found.</summary>
internal static class ResultTables
{
    /// <summary>A row a foundation, what fails first; then a line that counts.</summary>
    public static void Checks(Screen screen, LoadedProject loaded, IReadOnlyList<FoundationReport> reports, bool quiet)
    {
        var units = loaded.Project.Units;
        var shown = reports.OrderBy(r => r.Passes)
            .ThenByDescending(r => r.Passes ? 0 : r.Result?.Governing.Utilisation ?? double.PositiveInfinity)
            .Where(r => !quiet || !r.Passes)
            .ToList();
        var many = shown.Any(r => r.Foundation.Places.Count > 1);
        if (shown.Count > 0)
        {
            var rooms = shown.Any(r => r.Room is not null);
            var table = Screen.Table("mark", "under", Dimension.Heading("plan", Unit.Length, units),
                Dimension.Heading(">h", Unit.Section, units), ">util.", rooms ? ">room" : "", "result", "governing check", "combination",
                many ? "at" : "");
            foreach (var r in shown)
            {
                var f = r.Foundation;
                if (r.Design is not { } design || r.Result is not { } result)
                {
                    table.AddRow(Screen.Cell(f.Mark), Screen.Cell(Wording.Supports(f)), Screen.Cell("—"), Screen.Cell("—"),
                        Screen.Cell("—"), Screen.Cell(""), Screen.Cell("✗ not sized", Styles.Fail), Screen.Cell("run plinth size"),
                        Screen.Cell(""), Screen.Cell(""));
                    continue;
                }

                var g = result.Governing;
                table.AddRow(
                    Screen.Cell(f.Mark), Screen.Cell(Under(f)), Screen.Cell(Lines(design.Members(units), m => m.Plan)),
                    Screen.Cell(Lines(design.Members(units), m => m.Thickness)),
                    Screen.Cell(Wording.Utilisation(g.Utilisation, g.Outcome.Passes), Styles.Of(g.Passes)),
                    Screen.Cell(r.Room is { } room ? Wording.Room(room) : ""), Say.Verdict(r), Screen.Cell(Wording.Words(g)),
                    Screen.Cell(Wording.Combination(g)), Screen.Cell(f.Places.Count > 1 ? g.Place ?? "" : ""));
            }

            screen.Write(table);
        }

        Summary(screen, loaded, reports);
    }

    /// <summary>A row a foundation with its bars and what sizing did.</summary>
    public static void Sizes(Screen screen, LoadedProject loaded, IReadOnlyList<FoundationReport> reports, bool quiet)
    {
        var units = loaded.Project.Units;
        var shown = reports.OrderBy(r => r.Passes).Where(r => !quiet || !r.Passes).ToList();
        if (shown.Count > 0)
        {
            var table = Screen.Table("mark", "under", Dimension.Heading("plan", Unit.Length, units),
                Dimension.Heading(">h", Unit.Section, units), "bars", ">util.", "governing check", "combination", "sizing");
            foreach (var r in shown)
            {
                var f = r.Foundation;
                if (r.Design is not { } d || r.Result is not { } result)
                {
                    table.AddRow(Screen.Cell(f.Mark), Screen.Cell(Wording.Supports(f)), Screen.Cell("—"), Screen.Cell("—"),
                        Screen.Cell("—"), Screen.Cell("—"), Screen.Cell(r.Stop?.Check is { } c ? Wording.Check(c) : ""),
                        Screen.Cell(r.Stop?.Combination ?? ""), Screen.Cell("✗ NONE", Styles.Fail));
                    continue;
                }

                var g = result.Governing;
                var bars = Wording.Bars(d, true) + (d.HasTop ? (d.OtherBars.Count > 0 ? "\ntop\n" : "\ntop ") + Wording.Bars(d, false) : "")
                    + string.Concat(d.OtherBars.Select(b => "\n" + b));
                var state = r.Passes
                    ? Screen.Cell(r.State ?? "", r.State is "sized" ? Styles.Ok : Style.Plain)
                    : Screen.Cell("✗ " + (r.State is "kept" or "sized" or null ? "FAIL" : r.State), Styles.Fail);
                table.AddRow(
                    Screen.Cell(f.Mark), Screen.Cell(Under(f)), Screen.Cell(Lines(d.Members(units), m => m.Plan)),
                    Screen.Cell(Lines(d.Members(units), m => m.Thickness)), Screen.Cell(bars),
                    Screen.Cell(Wording.Utilisation(g.Utilisation, g.Passes), Styles.Of(g.Passes)), Screen.Cell(Wording.Words(g)),
                    Screen.Cell(Wording.Combination(g)), state);
            }

            screen.Write(table);
        }

        Summary(screen, loaded, reports);
    }

    /// <summary>All checks of one foundation.</summary>
    public static void Foundation(Screen screen, LoadedProject loaded, Foundation f, FoundationResult result, bool places = false)
    {
        var units = loaded.Project.Units;
        var many = f.Places.Count > 1;
        var parts = result.Checks.Any(c => c.At is not null);
        string At(CheckResult c) => (many ? c.Where : c.At) ?? (c.Along is { } x ? $"x {Dimension.PlainPlan(x, units)}" : "");
        var table = Screen.Table("check", many || parts ? "at" : "", "combination", ">demand", ">capacity", "", ">util.", "result",
            "clause or factor");
        var shown = Grouped(result, many && !places);
        foreach (var (c, i) in shown.Select((c, i) => (c, i)))
        {
            if (i > 0 && GroupOf(c) != GroupOf(shown[i - 1]))
            {
                table.AddRow(Enumerable.Repeat(Screen.Cell(""), 9).ToArray());
            }

            var o = c.Outcome;
            var factor = o.Least > 0
                ? string.Create(CultureInfo.InvariantCulture, $"factor {o.Factor:0.00} ≥ {o.Least:0.00}")
                : c.Clause?.Replace(loaded.Project.Code.Name + " ", "", StringComparison.Ordinal) ?? "";
            table.AddRow(
                Screen.Cell(Wording.Words(c)), Screen.Cell(At(c)), Screen.Cell(Wording.Combination(c)),
                Screen.Cell(Wording.Value(o.Demand, c.Unit, units)), Screen.Cell(Wording.Value(o.Capacity, c.Unit, units)),
                Screen.Cell(c.Unit.Symbol(units)),
                Screen.Cell(Wording.Utilisation(o.Utilisation, o.Passes), Styles.Of(c.Passes)), Say.Verdict(c),
                Screen.Cell(factor, Styles.Quiet));
        }

        screen.Write(table);
        screen.Line();

        // Where plain concrete takes the place of bars too short, the lengths beside a pass would seem wrong.
        foreach (var c in shown.Where(c => c.Note is not null
            && (!c.Passes || c.Outcome.Shown || (c.Outcome.Plain && c.Outcome.Demand > c.Outcome.Capacity)
                || c.Id is "two-way-shear" or "bearing" or "bearing-below" or "interface" or "pedestal" or "column-bearing")))
        {
            screen.Wrapped($"{(c.Passes ? "·" : "✗")} {Wording.Check(c.Id)}{(At(c).Length > 0 ? " at " + At(c) : "")}: {c.Note}");
        }

        foreach (var note in result.Notes)
        {
            screen.Wrapped("· " + note);
        }

        Leaves(screen, [f]);
        screen.Wrapped(Wording.NotChecked(loaded.Project, [f]));
    }

    // Ground, concrete, joint; in each what is used most first, least amounts behind. Of several places the worst, where not all are asked
    // for.
    private static List<CheckResult> Grouped(FoundationResult result, bool worst) =>
        [.. (worst ? result.Checks.GroupBy(c => (c.Id, c.At)).Select(g => g.MinBy(c => (c.Passes, -c.Utilisation))!) : result.Checks)
            .OrderBy(GroupOf)
            .ThenBy(c => c.Passes)
            .ThenBy(c => c.Outcome.Shown)
            .ThenBy(c => c.OfLeast)
            .ThenByDescending(c => c.Utilisation)];

    private static int GroupOf(CheckResult c) => CheckCatalog.Find(c.Id) switch
    {
        { Decides.What: Decisions.Plan } => 0,
        { Of: not Uprights.None } => 2,
        _ => 1,
    };

    /// <summary>Results as CSV: a row a check.</summary>
    public static string Csv(LoadedProject loaded, IReadOnlyList<FoundationReport> reports)
    {
        var units = loaded.Project.Units;
        var csv = new CsvText();
        csv.Row("mark", "supports", $"length ({Unit.Length.Symbol(units)})", $"width ({Unit.Length.Symbol(units)})",
            $"thickness ({Unit.Section.Symbol(units)})", "bottom-x", "bottom-y", "top-x", "top-y", "check", "place", "combination",
            "demand", "capacity", "unit", "factor", "least", "utilisation", "passes", "clause", "note", "water", "surcharge",
            "leave", "why", "room");
        foreach (var r in reports)
        {
            var head = new object?[] { r.Foundation.Mark, string.Join(" ", r.Foundation.Supports.Select(s => s.Label)) };
            if (r.Design is not { } d || r.Result is not { } result)
            {
                csv.Row([.. head, .. Enumerable.Repeat<object?>("", 16), "no", "", r.Stop?.Bound ?? "not sized", "", "", "", "", ""]);
                continue;
            }

            object?[] size = [Unit.Length.In(d.Size.Length, units), Unit.Length.In(d.Size.Width, units),
                Unit.Section.In(d.Size.Thickness, units), d.Bars(true, true), d.Bars(false, true), d.Bars(true, false),
                d.Bars(false, false)];
            foreach (var c in result.Checks)
            {
                var o = c.Outcome;
                csv.Row([.. head, .. size, c.Id, c.Where ?? "", c.Combination ?? "", c.Unit.In(o.Demand, units),
                    c.Unit.In(o.Capacity, units), c.Unit.Symbol(units), o.Least > 0 ? o.Factor : "", o.Least > 0 ? o.Least : "",
                    o.Utilisation, c.Passes ? "yes" : "no", c.Clause ?? "", c.Note ?? "", c.Water ?? "", c.Surcharge ?? "",
                    c.Leave?.Word ?? "", c.Leave?.Why ?? "", r.Room is { } room ? room : ""]);
            }
        }

        return csv.ToString();
    }

    /// <summary>What is seen of all bases together: what fails, then what to think of.</summary>
    public static void Building(Screen screen, UnitSystem units, WholeBuilding building, bool quiet)
    {
        foreach (var (fails, text) in Wording.Remarks(building, units).Where(r => r.Fails || !quiet))
        {
            screen.Wrapped((fails ? "✗ " : "· ") + text);
        }
    }

    // No more than two labels a line, so that the rest of the row keeps its place.
    private static string Under(Foundation f) => f.Places is [{ Supports: { Count: > 2 } supports }]
        ? string.Join(",\n", supports.Select(s => s.Label).Chunk(2).Select(pair => string.Join(", ", pair)))
        : Wording.Supports(f);

    private static string Lines<T>(IEnumerable<T> all, Func<T, string> line) => string.Join('\n', all.Select(line));

    private static void Summary(Screen screen, LoadedProject loaded, IReadOnlyList<FoundationReport> reports)
    {
        screen.Line();
        screen.Line(Wording.Summary(reports), reports.All(r => r.Passes) ? Styles.Ok : Styles.Fail);
        foreach (var f in reports.Select(r => r.Foundation).Where(f => f.Chosen is not null))
        {
            screen.Wrapped($"{f.Mark}: {f.Chosen!.Note}");
        }

        IReadOnlyList<Foundation> foundations = [.. reports.Select(r => r.Foundation)];
        Leaves(screen, foundations);
        screen.Wrapped(Wording.NotChecked(loaded.Project, foundations));
    }

    private static void Leaves(Screen screen, IReadOnlyList<Foundation> foundations)
    {
        foreach (var leave in Wording.Leaves(foundations))
        {
            screen.Wrapped("! " + leave);
        }
    }
}
