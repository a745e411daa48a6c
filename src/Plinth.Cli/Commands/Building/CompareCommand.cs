using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Comparing;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Compares two states of a project.</summary>
internal static class CompareCommand
{
    private const int MostRows = 15;

    public static Command Build()
    {
        var command = new Command("compare", """
            Compares two states of a project: which reactions moved beyond a tolerance, what governs now, and which
            adopted foundations fail or have room to shrink. OLD and NEW are a project's folder, a table of
            reactions that takes the place of the project's own, or a revision of its git history.

            Examples:
              plinth compare reactions-rev-A.csv          the project as it is against older reactions
              plinth compare HEAD~3                       against a commit
              plinth compare ../stage-2 .  --format json  one folder against another
              plinth compare HEAD --tolerance 0.05        changes up to 5 % are none
            """);
        var old = new Argument<string>("old") { Description = "The older state" };
        var now = new Argument<string?>("new") { Description = "The newer state (default: the project)", Arity = ArgumentArity.ZeroOrOne };
        var tolerance = new Option<double>("--tolerance")
        {
            Description = "Share of a value up to which a change is none",
            DefaultValueFactory = _ => 0.02,
            HelpName = "T"
        };
        var room = new Option<double>("--room")
        {
            Description = "Utilisation below which a foundation has room to shrink",
            DefaultValueFactory = _ => 0.7,
            HelpName = "U"
        };
        var all = new Option<bool>("--all") { Description = "List every changed value and every foundation" };
        command.Add(old);
        command.Add(now);
        command.Add(tolerance);
        command.Add(room);
        command.Add(all);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(old)!, parsed.GetValue(now), parsed.GetValue(tolerance),
            parsed.GetValue(room), parsed.GetValue(all)));
        return command;
    }

    private static int Run(Call call, string old, string? now, double tolerance, double room, bool all)
    {
        if (!(tolerance >= 0 && tolerance < 1) || !(room >= 0 && room <= 1))
        {
            throw new CallException("--tolerance and --room are shares between 0 and 1");
        }

        var (before, _) = Load(call, old);
        var (after, loaded) = now is null ? State(call.Load()) : Load(call, now);
        var comparison = Comparison.Of(before, after, tolerance, room);
        var fails = comparison.Foundations.Any(f => f.Fate is Fate.FailsNow or Fate.FailsStill or Fate.NotSized);
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    ComparisonJson.Write(stdout, comparison, old, now ?? ".", !fails);
                }

                break;
            case OutputFormat.Csv:
                Console.Out.Write(Csv(comparison, loaded.Project.Units));
                break;
            default:
                Print(new Screen(call), comparison, loaded.Project.Units, all, call.Quiet);
                break;
        }

        return fails ? ExitCode.Fails : ExitCode.Ok;
    }

    // A folder, a table that takes the place of the project's, or a revision.
    private static (ProjectState State, LoadedProject Loaded) Load(Call call, string what)
    {
        if (Directory.Exists(what))
        {
            return State((call with { ProjectDirectory = what }).Load());
        }

        var directory = call.Find();
        if (File.Exists(what))
        {
            var bag = call.Bag();
            return State(ProjectReader.Read(directory, bag, what) ?? throw new InputException(bag));
        }

        using var revision = ProjectRevision.Open(directory, what, out var fault) ?? throw new CallException(fault!);
        return State((call with { ProjectDirectory = revision.Directory }).Load(directory));
    }

    private static (ProjectState State, LoadedProject Loaded) State(LoadedProject loaded)
    {
        var reports = CheckCommand.Check(loaded, loaded.Project.Foundations);
        var designs = reports.ToDictionary(r => r.Foundation.Mark,
            r => r.Design is { } d && r.Result is { } result ? (d, result) : ((FoundationDesign, FoundationResult)?)null,
            StringComparer.Ordinal);
        return (new ProjectState(loaded.Project, designs), loaded);
    }

    private static void Print(Screen screen, Comparison c, UnitSystem units, bool all, bool quiet)
    {
        void Names(string what, IReadOnlyList<string> names)
        {
            if (names.Count > 0)
            {
                screen.Wrapped($"{what}: {string.Join(", ", names)}");
            }
        }

        Names("Cases that came", c.CasesCame);
        Names("Cases that went", c.CasesWent);
        Names("Supports that came", c.SupportsCame);
        Names("Supports that went", c.SupportsWent);
        Names("Supports that moved", c.SupportsMoved);
        if (!quiet)
        {
            Actions(screen, c, units, all);
        }

        bool Changed(FoundationChange f) => f.Fate != Fate.AsBefore || f.DesignChanged;
        var shown = c.Foundations.Where(f => all || (quiet ? f.Fate <= Fate.NotSized : Changed(f))).ToList();
        if (shown.Count > 0)
        {
            var table = Screen.Table("mark", "under", "result", ">before", "governing before", ">now", "governing now");
            foreach (var f in shown)
            {
                var fails = f.Fate <= Fate.NotSized;
                table.AddRow(
                    Screen.Cell(f.Mark), Screen.Cell(string.Join(", ", f.Supports.Take(2)) + (f.Supports.Count > 2 ? " …" : "")),
                    Screen.Cell((fails ? "✗ " : "") + (f.NowIn is { } mark ? "now in " + mark : ComparisonJson.WordOf(f.Fate))
                        + (f.DesignChanged ? " (design changed)" : ""), fails ? Styles.Fail : Style.Plain),
                    Util(f.Before), Name(f.Before), Util(f.After), Name(f.After));
            }

            screen.Write(table);
            screen.Line();
        }

        var counts = c.Foundations.GroupBy(f => f.Fate)
            .OrderBy(g => g.Key)
            .Select(g => string.Create(CultureInfo.InvariantCulture, $"{g.Count()} {Several(g.Key)}"));
        var compared = string.Create(CultureInfo.InvariantCulture,
            $"{c.Foundations.Count} foundation{(c.Foundations.Count == 1 ? "" : "s")}");
        screen.Line($"{compared}: {string.Join(", ", counts)}.",
            c.Foundations.Any(f => f.Fate <= Fate.NotSized) ? Styles.Fail : Styles.Ok);
    }

    private static string Several(Fate fate) => fate switch
    {
        Fate.FailsNow => "FAIL now",
        Fate.FailsStill => "FAIL still",
        Fate.PassesAgain => "pass again",
        Fate.HasRoom => "have room",
        _ => ComparisonJson.WordOf(fate),
    };

    private static Text Util(CheckResult? c) =>
        Screen.Cell(c is null ? "—" : Wording.Utilisation(c.Utilisation, c.Passes), c is null ? Style.Plain : Styles.Of(c.Passes));

    private static Text Name(CheckResult? c) =>
        Screen.Cell(c is null ? "" : Wording.Words(c) + (c.Combination is null ? "" : ", " + c.Combination));

    private static void Actions(Screen screen, Comparison c, UnitSystem units, bool all)
    {
        if (c.Actions.Count == 0)
        {
            screen.Line("No reaction changed beyond the tolerance.");
            screen.Line();
            return;
        }

        screen.Line("Actions that changed beyond the tolerance: the largest change of each support and case");
        screen.Line();
        var table = Screen.Table("case", "support", "", ">before", ">now", "", ">ratio");
        foreach (var group in c.Actions.GroupBy(a => a.Case))
        {
            var list = group.OrderByDescending(a => Math.Abs(a.After - a.Before)).ToList();
            var ratios = list.Where(a => a.Before != 0).Select(a => a.After / a.Before).ToList();
            var uniform = list.Count > 2 && ratios.Count == list.Count && ratios.Max() - ratios.Min() < 0.002;
            foreach (var a in list.Take(all ? int.MaxValue
                : uniform ? 1
                : Math.Max(3, MostRows / Math.Max(1, c.Actions.Select(x => x.Case).Distinct().Count()))))
            {
                var unit = a.Component[0] == 'M' ? Unit.Moment : Unit.Force;
                table.AddRow(Screen.Cell(a.Case), Screen.Cell(a.Support), Screen.Cell(a.Component),
                    Screen.Cell(unit.Format(a.Before, units)), Screen.Cell(unit.Format(a.After, units)), Screen.Cell(unit.Symbol(units)),
                    Screen.Cell(a.Before == 0 ? "new" : (a.After / a.Before).ToString("0.000", CultureInfo.InvariantCulture)));
            }

            var shown = all ? list.Count
                : uniform ? 1
                : Math.Min(list.Count, Math.Max(3, MostRows / Math.Max(1, c.Actions.Select(x => x.Case).Distinct().Count())));
            if (shown < list.Count)
            {
                table.AddRow(Screen.Cell(""),
                    Screen.Cell(string.Create(CultureInfo.InvariantCulture,
                        $"+ {list.Count - shown}{(uniform ? " in the same ratio" : " more")}"), Styles.Quiet), Screen.Cell(""),
                    Screen.Cell(""), Screen.Cell(""), Screen.Cell(""), Screen.Cell(""));
            }
        }

        screen.Write(table);
        screen.Line();
    }

    private static string Csv(Comparison c, UnitSystem units)
    {
        var csv = new CsvText();
        csv.Row("what", "mark or support", "case or fate", "component or check before", "combination before", "before", "check now",
            "combination now", "now", "unit");
        foreach (var a in c.Actions)
        {
            var unit = a.Component[0] == 'M' ? Unit.Moment : Unit.Force;
            csv.Row("action", a.Support, a.Case, a.Component, "", unit.In(a.Before, units), "", "", unit.In(a.After, units),
                unit.Symbol(units));
        }

        foreach (var f in c.Foundations)
        {
            csv.Row("foundation", f.Mark, ComparisonJson.WordOf(f.Fate), f.Before?.Id ?? "", f.Before?.Combination ?? "",
                f.Before is { } b ? b.Utilisation : "", f.After?.Id ?? "", f.After?.Combination ?? "",
                f.After is { } n ? n.Utilisation : "", "");
        }

        return csv.ToString();
    }
}
