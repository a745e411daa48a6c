using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Commands;

/// <summary>Lists the combinations.</summary>
internal static class CombosCommand
{
    public static Command Build()
    {
        var command = new Command("combos", """
            Lists the load combinations: what each is for, its factors, its clause. For a support, its combined actions.

            Examples:
              plinth combos             all combinations in use
              plinth combos --all       those left out too, and why
              plinth combos C7          combined actions of support C7, N downwards, at the level of the reactions
            """);
        var support = new Argument<string?>("support") { Description = "A support", Arity = ArgumentArity.ZeroOrOne };
        var all = new Option<bool>("--all") { Description = "List what was left out, and why" };
        command.Add(support);
        command.Add(all);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(support), parsed.GetValue(all)));
        return command;
    }

    private static int Run(Call call, string? support, bool all)
    {
        var loaded = call.Load();
        var project = loaded.Project;
        if (support is not null && !project.Actions.ContainsKey(support))
        {
            var near = Nearest.Of(support, project.Actions.Keys);
            throw new CallException($"there is no support \"{support}\"" + (near is null ? "" : $"; did you mean {near}?"));
        }

        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Console.OpenStandardOutput())
                {
                    CombinationsJson.Write(stdout, project, support, all);
                }

                break;
            case OutputFormat.Csv:
                Console.Out.Write(Csv(loaded, support));
                break;
            default:
                Print(new Screen(call), loaded, support, all);
                break;
        }

        return ExitCode.Ok;
    }

    private static string Factors(LoadedProject loaded, Combination c) =>
        string.Join(" ", c.Terms.Select((t, i) => (i == 0 ? (t.Factor < 0 ? "−" : "") : t.Factor < 0 ? "− " : "+ ") + Math.Abs(t.Factor).ToString("0.####", CultureInfo.InvariantCulture) + " " + loaded.Project.Cases[t.Case].Name));

    private static void Print(Screen screen, LoadedProject loaded, string? support, bool all)
    {
        var project = loaded.Project;
        var units = project.Units;
        if (support is null)
        {
            var table = Screen.Table("name", "for", "factors", "clause");
            foreach (var c in project.Combinations.Used)
            {
                table.AddRow(Screen.Cell(c.Name), Screen.Cell(string.Join(", ", CombinationsJson.WordsOf(c.For))), Screen.Cell(Factors(loaded, c)), Screen.Cell(c.Clause ?? "own", Styles.Quiet));
            }

            screen.Write(table);
        }
        else
        {
            screen.Line($"Combined actions of {support}, N downwards, at the level where its reactions act");
            screen.Line();
            var (f, m) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
            var table = Screen.Table("name", $">N {f}", $">Fx {f}", $">Fy {f}", $">Mx {m}", $">My {m}", $">Mz {m}");
            foreach (var c in project.Combinations.Used)
            {
                var a = CombinationsJson.ActionOf(project, support, c);
                string F(double v) => Unit.Force.Format(v, units);
                string M(double v) => Unit.Moment.Format(v, units);
                table.AddRow(Screen.Cell(c.Name), Screen.Cell(F(a.N)), Screen.Cell(F(a.Fx)), Screen.Cell(F(a.Fy)), Screen.Cell(M(a.Mx)), Screen.Cell(M(a.My)), Screen.Cell(M(a.Mz)));
            }

            screen.Write(table);
        }

        screen.Line();
        screen.Line($"{project.Combinations.Used.Length} combinations by {project.Standard.Name}; {project.Combinations.Dropped.Count} left out{(all ? ":" : " (--all lists them)")}");
        if (all)
        {
            var table = Screen.Table("name", "rule", "left out because");
            foreach (var d in project.Combinations.Dropped)
            {
                table.AddRow(Screen.Cell(d.Name), Screen.Cell(d.Rule), Screen.Cell(d.Reason));
            }

            screen.Write(table);
        }
    }

    private static string Csv(LoadedProject loaded, string? support)
    {
        var units = loaded.Project.Units;
        var csv = new CsvText();
        var (f, m) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
        var head = new List<object?> { "name", "for", "factors", "weights", "clause" };
        if (support is not null)
        {
            head.AddRange([$"N ({f})", $"Fx ({f})", $"Fy ({f})", $"Mx ({m})", $"My ({m})", $"Mz ({m})"]);
        }

        csv.Row(head);
        foreach (var c in loaded.Project.Combinations.Used)
        {
            var row = new List<object?> { c.Name, string.Join(" ", CombinationsJson.WordsOf(c.For)), Factors(loaded, c), c.WeightFactor, c.Clause ?? "own" };
            if (support is not null)
            {
                var a = CombinationsJson.ActionOf(loaded.Project, support, c);
                row.AddRange([Unit.Force.In(a.N, units), Unit.Force.In(a.Fx, units), Unit.Force.In(a.Fy, units), Unit.Moment.In(a.Mx, units), Unit.Moment.In(a.My, units), Unit.Moment.In(a.Mz, units)]);
            }

            csv.Row(row);
        }

        return csv.ToString();
    }
}
