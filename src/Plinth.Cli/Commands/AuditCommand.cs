using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Audit;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Reads the project back.</summary>
internal static class AuditCommand
{
    public static Command Build()
    {
        var command = new Command("audit", """
            Reads the project back: what each case adds up to and where its resultant acts, and what is doubtful in the
            loads and the supports. Changes nothing.

            Examples:
              plinth audit            totals of each case, then the findings, the gravest first
              plinth audit --shares   the part of each case that each support carries, too
              plinth audit --strict   exit 1 on warnings also; without it on errors alone

            [totals] in plinth.toml holds the totals against those of the analysis: DEAD = "41250 kN".
            """);
        var shares = new Option<bool>("--shares") { Description = "List the share of each support in each case" };
        var strict = new Option<bool>("--strict") { Description = "Exit 1 on warnings too" };
        command.Add(shares);
        command.Add(strict);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(shares), parsed.GetValue(strict)));
        return command;
    }

    private static int Run(Call call, bool shares, bool strict)
    {
        var loaded = (call with { Quiet = true }).Load();
        var result = Auditor.Run(loaded.Project, loaded.Totals);
        var fails = result.Findings.Any(f => f.Grade == Grade.Error || (strict && f.Grade == Grade.Warning))
            || (strict && loaded.Doubts.Count > 0);
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    AuditJson.Write(stdout, loaded, result, !fails);
                }

                break;
            case OutputFormat.Csv:
                var csv = new CsvText();
                csv.Row("code", "grade", "place", "support", "case", "message", "remedy");
                foreach (var (code, grade, place, f) in Findings(loaded, result))
                {
                    csv.Row(code, Word(grade), place.ToString(), f?.Support ?? "", f?.Case ?? "",
                        f?.Message ?? loaded.Doubts.First(d => d.Place == place && d.Code == code).Message, f?.Remedy ?? "");
                }

                Console.Out.Write(csv.ToString());
                break;
            default:
                Print(new Screen(call), loaded, result, shares, call.Quiet);
                break;
        }

        return fails ? ExitCode.Fails : ExitCode.Ok;
    }

    private static IEnumerable<(string Code, Grade Grade, FilePlace Place, Finding? Finding)> Findings(LoadedProject loaded,
        AuditResult result) =>
        result.Findings.Select(f => (f.Code, f.Grade, loaded.Sources.Of(f, loaded.Project.Cases), (Finding?)f))
            .Concat(loaded.Doubts.Select(d => (d.Code, Grade.Warning, d.Place, (Finding?)null)))
            .OrderByDescending(f => f.Item2);

    private static void Print(Screen screen, LoadedProject loaded, AuditResult result, bool shares, bool quiet)
    {
        var units = loaded.Project.Units;
        var (f, l) = (Unit.Force.Symbol(units), Unit.Length.Symbol(units));
        var stated = result.Cases.Any(c => c.Stated?.N is not null);
        if (!quiet)
        {
            screen.Line("Totals of each case as actions, N downwards, and where in plan its resultant acts");
            screen.Line();
            var table = Screen.Table(["case", "symbol", ">supports", $">N {f}", .. stated ? [$">stated {f}"] : Array.Empty<string>(),
                $">Fx {f}", $">Fy {f}", $">at x {l}", $">at y {l}", "largest share"]);
            foreach (var c in result.Cases)
            {
                string F(double v) => Unit.Force.Format(v, units);
                var big = c.Totals.Resultant is { } r && Math.Abs(c.Totals.N) > 0.05 * (Math.Abs(c.Totals.Fx) + Math.Abs(c.Totals.Fy))
                    ? (Unit.Length.Format(r.X, units), Unit.Length.Format(r.Y, units))
                    : ("—", "—");
                var most = Enumerable.Range(0, c.Shares.Count).MaxBy(i => Math.Abs(c.Shares[i]));
                string[] cells = [c.Case.Source, c.Case.Symbol?.ToString() ?? "combined", c.Rows.ToString(CultureInfo.InvariantCulture),
                    F(c.Totals.N), .. stated ? [c.Stated?.N is { } n ? F(n) : ""] : Array.Empty<string>(), F(c.Totals.Fx), F(c.Totals.Fy),
                    big.Item1, big.Item2, Percent(c.Shares[most]) + " at " + loaded.Project.Supports[most].Label];
                table.AddRow(cells.Select(t => Screen.Cell(t)).ToArray());
            }

            screen.Write(table);
            screen.Line();
        }

        if (shares)
        {
            Shares(screen, loaded, result);
        }

        var findings = Findings(loaded, result).ToList();
        foreach (var group in findings.Where(x => !quiet || x.Grade != Grade.Note)
            .GroupBy(x => (x.Code, x.Grade, Remedy: x.Finding?.Remedy)))
        {
            screen.Line($"{Sign(group.Key.Grade)} {Word(group.Key.Grade)} {group.Key.Code}",
                group.Key.Grade == Grade.Note ? Styles.Quiet : Styles.Fail);
            foreach (var (code, _, place, finding) in group)
            {
                screen.Wrapped($"    {place}: {finding?.Message ?? loaded.Doubts.First(d => d.Place == place && d.Code == code).Message}",
                    6);
            }

            if (group.Key.Remedy is { } remedy)
            {
                screen.Wrapped($"    → {remedy}", 6);
            }
        }

        screen.Line();

        var counts = findings.GroupBy(x => x.Grade).ToDictionary(g => g.Key, g => g.Count());
        screen.Line(findings.Count == 0
            ? "Nothing doubtful was found."
            : string.Create(CultureInfo.InvariantCulture,
                $"{Count(findings.Count, "finding")}: {Count(counts.GetValueOrDefault(Grade.Error), "error")}, "
                    + $"{Count(counts.GetValueOrDefault(Grade.Warning), "warning")}, "
                    + $"{Count(counts.GetValueOrDefault(Grade.Note), "note")}."),
            counts.ContainsKey(Grade.Error) ? Styles.Fail : Style.Plain);
    }

    private static void Shares(Screen screen, LoadedProject loaded, AuditResult result)
    {
        const int Columns = 9;
        foreach (var some in result.Cases.Chunk(Columns))
        {
            screen.Line("Share of each support, % of N (of the horizontal force for lateral cases)");
            screen.Line();
            var table = Screen.Table(["support", .. some.Select(c => ">" + c.Case.Source)]);
            foreach (var (support, i) in loaded.Project.Supports.Select((s, i) => (s, i)))
            {
                table.AddRow(some.Select(c => Screen.Cell(Percent(c.Shares[i]).TrimEnd('%', ' '))).Prepend(Screen.Cell(support.Label))
                    .ToArray());
            }

            screen.Write(table);
            screen.Line();
        }
    }

    private static string Percent(double share) =>
        (100 * share).ToString("0.0", CultureInfo.InvariantCulture).Replace("-0.0", "0.0", StringComparison.Ordinal) + " %";

    private static string Count(int n, string what) => string.Create(CultureInfo.InvariantCulture, $"{n} {what}{(n == 1 ? "" : "s")}");

    private static string Sign(Grade grade) => grade switch { Grade.Error => "✗", Grade.Warning => "!", _ => "·" };

    private static string Word(Grade grade) => grade switch { Grade.Error => "ERROR", Grade.Warning => "WARNING", _ => "note" };
}
