using System.CommandLine;
using System.Globalization;
using Plinth.Cli.Output;
using Plinth.Core.Foundations;
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
              plinth combos                 all combinations in use, under the rule that each comes from
              plinth combos --all           those left out too, and why
              plinth combos C7              combined actions of support C7, N downwards, at the level of the reactions
              plinth combos C7 --envelope   only those that can govern a check of C7

            The envelope leaves out a combination whose action is a weighted mean of others' of its kind: one of those
            exceeds it. Extreme: ↑Fx has the most, ↓Fx the least Fx of all for the same checks.
            """);
        var support = new Argument<string?>("support") { Description = "A support", Arity = ArgumentArity.ZeroOrOne };
        var all = new Option<bool>("--all") { Description = "List what was left out, and why" };
        var envelope = new Option<bool>("--envelope") { Description = "With a support: only the combinations that can govern" };
        command.Add(support);
        command.Add(all);
        command.Add(envelope);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(support), parsed.GetValue(all), parsed.GetValue(envelope)));
        return command;
    }

    private static int Run(Call call, string? support, bool all, bool envelope)
    {
        if (envelope && support is null)
        {
            throw new CallException("--envelope needs a support; write for example: plinth combos C7 --envelope");
        }

        var loaded = call.Load();
        var project = loaded.Project;
        Foundation? foundation = null;
        if (support is not null)
        {
            if (!project.Actions.ContainsKey(support))
            {
                var near = Nearest.Of(support, project.Actions.Keys);
                throw new CallException($"there is no support \"{support}\"" + (near is null ? "" : $"; did you mean {near}?"));
            }

            foundation = project.Foundations.FirstOrDefault(f => f.Supports.Any(s => s.Label == support));
        }

        var set = foundation is null ? project.Combinations : project.CombinationsOf(foundation);
        var shown = envelope
            ? Envelope.Find(set, project.Cases, project.Actions[support!])
            : [.. Enumerable.Range(0, set.Used.Length).Select(k => new EnvelopeEntry(k, set.Used[k].For, []))];
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    CombinationsJson.Write(stdout, project, set, shown, envelope, support, all);
                }

                break;
            case OutputFormat.Csv:
                Console.Out.Write(Csv(loaded, set, shown, support, all));
                break;
            default:
                Print(new Screen(call), loaded, set, shown, envelope, support, all);
                if (foundation?.Chosen is { } chosen)
                {
                    new Screen(call).Wrapped($"{foundation.Mark}: {chosen.Note}");
                }

                break;
        }

        return ExitCode.Ok;
    }

    private static string Factors(LoadedProject loaded, Combination c, Func<Term, double>? of = null) =>
        string.Join(" ", c.Terms.Select(t => (Term: t, Factor: of is null ? t.Factor : of(t))).Select((t, i) =>
            (i == 0 ? (t.Factor < 0 ? "−" : "") : t.Factor < 0 ? "− " : "+ ")
                + Math.Abs(t.Factor).ToString("0.####", CultureInfo.InvariantCulture) + " " + loaded.Project.Cases[t.Term.Case].Name));

    private static void Print(Screen screen, LoadedProject loaded, CombinationSet set, IReadOnlyList<EnvelopeEntry> shown, bool envelope,
        string? support, bool all)
    {
        var project = loaded.Project;
        var units = project.Units;
        if (support is null)
        {
            // One block a rule: the engineer looks for the standard's line first, then for the case.
            foreach (var rule in set.Used.GroupBy(c => (c.Rule, c.Clause, c.For)))
            {
                screen.Line(
                    $"{rule.Key.Rule}   {rule.Key.Clause ?? "own"}   for {string.Join(", ", FamilyWords.Of(rule.Key.For))}",
                    Styles.Head);
                var width = rule.Max(c => c.Name.Length) + 2;
                foreach (var c in rule)
                {
                    var weights =
                        c.Terms.Any(t => project.Cases[t.Case].Symbol is LoadSymbol.D or LoadSymbol.G && t.Factor == c.WeightFactor)
                            ? ""
                            : string.Create(CultureInfo.InvariantCulture, $"; weights × {c.WeightFactor:0.####}");
                    screen.Wrapped("  " + c.Name.PadRight(width) + Factors(loaded, c) + weights, 4 + width);
                    if (c.Terms.Any(t => t.Differs))
                    {
                        var own = string.Join(", ", FamilyWords.Of(c.For & (Family.Uplift | Family.Overturning)).Reverse());
                        screen.Wrapped("  " + "".PadRight(width) + $"{own}: tips " + Factors(loaded, c, t => t.Tips)
                            + "; holds " + Factors(loaded, c, t => t.Holds), 4 + width);
                    }
                }

                screen.Line();
            }
        }
        else
        {
            screen.Line($"Combined actions of {support}, N downwards, at the level where its reactions act");
            screen.Line();
            var (f, m) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
            var table = Screen.Table(["name", $">N {f}", $">Fx {f}", $">Fy {f}", $">Mx {m}", $">My {m}",
                .. envelope ? ["extreme", "can govern"] : (string[])[$">Mz {m}"]]);
            foreach (var entry in shown)
            {
                var c = set.Used[entry.Index];
                var a = CombinationsJson.ActionOf(project, support, c);
                string F(double v) => Unit.Force.Format(v, units);
                string M(double v) => Unit.Moment.Format(v, units);
                string[] cells = [c.Name, F(a.N), F(a.Fx), F(a.Fy), M(a.Mx), M(a.My),
                    .. envelope
                        ? [string.Concat(entry.Extremes).Replace("most ", "↑", StringComparison.Ordinal)
                            .Replace("least ", "↓", StringComparison.Ordinal), string.Join(",\n", FamilyWords.Of(entry.For))]
                        : (string[])[M(a.Mz)]];
                table.AddRow(cells.Select(t => Screen.Cell(t)).ToArray());
            }

            screen.Write(table);
            screen.Line();
            if (envelope)
            {
                screen.Line($"{shown.Count} of {set.Used.Length} combinations can govern; the others are weighted means of these");
            }
        }

        screen.Line(
            $"{project.Combinations.Used.Length} combinations by {project.Standard.Name}; {project.Combinations.Dropped.Count} left "
                + $"out{(project.Combinations.Dropped.Count == 0 ? "" : all ? ":" : " (--all lists them)")}");
        if (PartialLive.Words(project) is { } partial)
        {
            screen.Wrapped(partial);
        }

        if (all && project.Combinations.Dropped.Count > 0)
        {
            var table = Screen.Table("name", "rule", "left out because");
            foreach (var d in project.Combinations.Dropped)
            {
                table.AddRow(Screen.Cell(d.Name), Screen.Cell(d.Rule), Screen.Cell(d.Reason));
            }

            screen.Write(table);
        }
    }

    private static string Csv(LoadedProject loaded, CombinationSet set, IReadOnlyList<EnvelopeEntry> shown, string? support, bool all)
    {
        var units = loaded.Project.Units;
        var csv = new CsvText();
        var (f, m) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
        var head = new List<object?> { "name", "for", "factors", "weights", "rule", "clause", "left out because" };
        if (support is not null)
        {
            head.AddRange([$"N ({f})", $"Fx ({f})", $"Fy ({f})", $"Mx ({m})", $"My ({m})", $"Mz ({m})"]);
        }

        csv.Row(head);
        foreach (var entry in shown)
        {
            var c = set.Used[entry.Index];
            var row = new List<object?> { c.Name, string.Join(" ", FamilyWords.Of(entry.For)), Factors(loaded, c), c.WeightFactor,
                c.Rule, c.Clause ?? "own", "" };
            if (support is not null)
            {
                var a = CombinationsJson.ActionOf(loaded.Project, support, c);
                row.AddRange([Unit.Force.In(a.N, units), Unit.Force.In(a.Fx, units), Unit.Force.In(a.Fy, units),
                    Unit.Moment.In(a.Mx, units), Unit.Moment.In(a.My, units), Unit.Moment.In(a.Mz, units)]);
            }

            csv.Row(row);
        }

        foreach (var d in all ? loaded.Project.Combinations.Dropped : [])
        {
            csv.Row([d.Name, "", "", "", d.Rule, "", d.Reason, .. support is null ? [] : Enumerable.Repeat<object?>("", 6)]);
        }

        return csv.ToString();
    }
}
