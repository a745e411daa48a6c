using System.CommandLine;
using Plinth.Cli.Output;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;

namespace Plinth.Cli.Commands;

/// <summary>One foundation on one screen, or the trace of one of its checks.</summary>
internal static class ShowCommand
{
    public static Command Build()
    {
        var command = new Command("show", """
            Shows one foundation on one screen; with a check, every step of it: symbol, formula, values, result, clause.

            Examples:
              plinth show F7                                    all its checks
              plinth show F7 two-way-shear                      the governing combination, step by step
              plinth show F7 bearing --combination S7:+WX       another combination
              plinth show F7 --why                              what stops the next smaller step
              plinth show F7 --settings                         every value in force and where it is set
              plinth show CF1 --diagrams                        shear and moment along a base under several columns
            """);
        var mark = new Argument<string>("mark") { Description = "The mark, or the label of a support" };
        var places = new Option<bool>(
            "--places")
        { Description = "Every check at every place of a mark made alike (default: where it is worst)" };
        var check = new Argument<string?>("check")
        {
            Description = "A check, by the id that JSON output gives it",
            Arity = ArgumentArity.ZeroOrOne
        };
        var combination = new Option<string?>("--combination")
        {
            Description = "The combination (default: the governing one)",
            HelpName = "NAME"
        };
        var place = new Option<string?>(
            "--place")
        {
            Description = "The place of a mark made alike, by its support (default: where the check governs)",
            HelpName = "SUPPORT"
        };
        var at = new Option<string?>(
            "--at")
        {
            Description =
                "The part that the check looks at, as its table names it: a column, two, \"rest\" (default: where the check governs)",
            HelpName = "PART"
        };
        var why = new Option<bool>("--why") { Description = "What stops each next smaller step" };
        command.Add(mark);
        command.Add(check);
        command.Add(combination);
        command.Add(place);
        command.Add(at);
        var settings = new Option<bool>("--settings") { Description = "Every value in force and where it is set" };
        var diagrams = new Option<bool>(
            "--diagrams")
        {
            Description =
                "Shear and moment along a base under several columns, in the combinations that govern, with its balance"
        };
        command.Add(why);
        command.Add(diagrams);
        command.Add(places);
        command.Add(settings);
        var common = new Common(command);
        command.SetAction(parsed => parsed.GetValue(settings)
            ? SettingsTable.Show(common.Read(parsed),
                parsed.GetValue(check) is { } other
                    ? throw new CallException($"--settings goes without \"{other}\"; leave one of them away")
                    : parsed.GetValue(mark)!)
            : Run(common.Read(parsed), parsed.GetValue(mark)!, parsed.GetValue(check), parsed.GetValue(combination), parsed.GetValue(place),
                parsed.GetValue(at), parsed.GetValue(why), parsed.GetValue(places), parsed.GetValue(diagrams)));
        return command;
    }

    private static int Run(Call call, string mark, string? checkId, string? combination, string? place, string? at, bool why, bool places,
        bool diagrams)
    {
        var loaded = call.Load();
        var project = loaded.Project;
        var f = Call.ChooseOne(project, mark);
        var design = loaded.Design(f) ?? throw new CallException($"{f.Mark} is not sized yet; run: plinth size {f.Mark}");
        if (combination is not null)
        {
            Call.HasCombination(project, f, combination);
        }

        if (place is not null && !f.Places.Any(p => p.Name == place))
        {
            throw new CallException(
                $"{f.Mark} does not stand under {place}; its places are {string.Join(", ", f.Places.Select(p => p.Name))}");
        }

        if (diagrams && (checkId is not null || !f.Kind.UnderSeveral || call.Format == OutputFormat.Csv))
        {
            throw new CallException(checkId is not null ? $"--diagrams goes without \"{checkId}\"; leave one of them away"
                : call.Format == OutputFormat.Csv ? "--diagrams makes a table or --format json, no CSV"
                : $"{f.Mark} stands under one column and has no diagram along it; its forces: plinth draw {f.Mark} --what forces");
        }

        if (checkId is not null)
        {
            return Trace(call, loaded, f, design, checkId, combination, place, at);
        }

        if (at is not null)
        {
            throw new CallException($"--at goes with a check, for example: plinth show {f.Mark} two-way-shear --at {at}");
        }

        if (combination is not null)
        {
            throw new CallException("--combination goes with a check, for example: plinth show " + f.Mark + " bearing --combination "
                + combination);
        }

        var reports = CheckCommand.Check(loaded, [f]);
        reports = diagrams ? CheckCommand.WithDiagrams(loaded, reports) : reports;
        return CheckCommand.Print(call, loaded, reports, screen =>
        {
            Head(screen, loaded, f, design);
            ResultTables.Foundation(screen, loaded, f, reports[0].Result!, places);
            if (reports[0].Diagrams is { } found)
            {
                DiagramTables.Write(screen, found, loaded.Project.Units);
            }

            if (why)
            {
                SizeCommand.Why(screen, loaded, reports);
            }
        });
    }

    private static int Trace(Call call, LoadedProject loaded, Foundation f, FoundationDesign design, string checkId, string? combination,
        string? place, string? at)
    {
        if (CheckCatalog.Find(checkId) is not { } check)
        {
            if (NotChecked.Never.Contains(checkId) || NotChecked.Sometimes.Any(n => n.Id == checkId))
            {
                throw new CallException($"{checkId} is not checked here; every result says so");
            }

            var near = Nearest.Of(checkId, CheckCatalog.Listed.Select(c => c.Id));
            throw new CallException($"there is no check \"{checkId}\"; "
                + (near is null ? $"checks are {string.Join(", ", CheckCatalog.Listed.Select(c => c.Id))}" : $"did you mean {near}?"));
        }

        var chosen = combination is null ? null : PartialLive.Used(loaded.Project, f).First(c => c.Name == combination);
        if (chosen is not null && !check.IsOfBars && !chosen.IsFor(check.For))
        {
            throw new CallException(
                $"combination {combination} is for {string.Join(", ", FamilyWords.Of(chosen.For))}, but {check.Name} needs one "
                    + $"for {string.Join(", ", FamilyWords.Of(check.For))}");
        }

        var units = loaded.Project.Units;
        var checker = new Checker(loaded.Project, f);
        if (at is not null && checker.Parts(design, check.Id) is var parts && !parts.Contains(at))
        {
            throw new CallException($"{f.Mark}: {check.Name} has no part \"{at}\"; "
                + (parts.Count == 0 ? "it is of the whole foundation" : $"it looks at {string.Join(", ", parts)}"));
        }

        if (checker.Trace(design, check.Id, place, combination, at) is not { } found)
        {
            if (call.Format == OutputFormat.Table)
            {
                var missing = check.Missing(f);
                Console.Out.WriteLine($"{f.Mark}: {check.Name} "
                    + (missing is null ? "does not arise: nothing acts that it would check." : $"is not checked: {missing}."));
                return ExitCode.Ok;
            }

            throw new CallException($"{f.Mark}: {check.Name} does not arise: nothing acts that it would check");
        }

        var (steps, result) = found;
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    ResultsJson.WriteTrace(stdout, f.Mark, result, steps, units);
                }

                break;
            case OutputFormat.Csv:
                var csv = new CsvText();
                csv.Row("kind", "symbol", "formula", "substituted", "value", "unit", "clause");
                foreach (var s in steps)
                {
                    csv.Row(s.Kind.ToString().ToLowerInvariant(), s.Symbol, s.FormulaText, s.Substituted(units), s.Unit.In(s.Value, units),
                        s.Unit.Symbol(units), s.Clause ?? "");
                }

                Console.Out.Write(csv.ToString());
                break;
            default:
                var screen = new Screen(call);
                screen.Line(
                    $"{f.Mark}, {check.Name}{(result.Where is null ? "" : " at " + result.Where)}"
                        + $"{(result.Combination is null ? "" : ", " + Wording.Combination(result))}",
                    Styles.Head);
                screen.Line(
                    $"{Wording.Size(design, units)}; "
                        + loaded.Project.Code.Name + (result.Combination is { } name
                            ? ", " + PartialLive.Used(loaded.Project, f).First(c => c.Name == name).Rule
                            : ""));
                TraceText.Write(screen, steps, units);
                screen.Line();
                var o = result.Outcome;
                screen.Line(
                    $"Utilisation {Wording.Utilisation(o.Utilisation, o.Passes)}: "
                        + $"{(o.Passes ? "✓ ok" : result.Allowed ? "✓ " + result.Leave!.Word : "✗ FAIL")}"
                    + (result.Note is null ? "" : $" ({result.Note})"), result.Passes ? Styles.Ok : Styles.Fail);
                if (result.Leave is { } leave)
                {
                    screen.Wrapped($"{leave.Word}: {leave.Why}");
                }

                break;
        }

        return result.Passes ? ExitCode.Ok : ExitCode.Fails;
    }

    private static void Head(Screen screen, LoadedProject loaded, Foundation f, FoundationDesign design)
    {
        var units = loaded.Project.Units;
        string L(double v) => Dimension.Plan(v, units);
        screen.Line(
            $"{f.Mark}, {f.Kind.Title} under "
                + $"{string.Join(", ", f.Supports.Select(s => s.Label + (s.Grid.Length > 0 ? $" ({s.Grid})" : "")))}", Styles.Head);
        var origin = !loaded.Adopted.TryGetValue(f.Mark, out var entry) ? "as plinth.toml holds it"
            : entry.ByHand ? "written by hand" : "as sized";
        screen.Line($"{Wording.Size(design, units)}, {origin}; {loaded.Project.Code.Name}, {loaded.Project.LoadsAndGround}");
        foreach (var line in Wording.Parts(design, f.Places[0], units))
        {
            screen.Line(line);
        }

        foreach (var p in f.Places)
        {
            var o = BaseGeometry.Offset(f, p, design);
            var underside = p.Ground.Underside(design.WholeDepth);
            screen.Line(
                $"{p.Name}: {Wording.Underside(units)} at {L(underside)}, {L(p.Ground.Level - underside)} below the "
                    + $"ground{(p.Ground.Name.Length > 0 ? " " + p.Ground.Name : "")}"
                + (o.X != 0 || o.Y != 0
                    ? $"; {(p.Supports.Count > 1 ? "middle between the columns" : p.Support.IsWall ? "wall" : "column")} "
                        + $"{Dimension.Section(o.X, units)} along x, {Dimension.Section(o.Y, units)} along y from the centre"
                    : "")
                    + (p.AngleDegrees != 0
                        ? $"; turned {p.AngleDegrees.ToString("0.##", System.Globalization.CultureInfo.InvariantCulture)}°"
                        : "") + (p.Lie.Mirrored ? "; mirrored" : ""));
        }

        screen.Line();
    }
}
