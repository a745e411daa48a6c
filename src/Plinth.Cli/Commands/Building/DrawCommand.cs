using System.CommandLine;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Figures;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;
using Plinth.Files;
using Plinth.Files.Reading;

namespace Plinth.Cli.Commands;

/// <summary>Draws what is adopted.</summary>
internal static class DrawCommand
{
    private const string OfBuilding = "plan, utilisation, loads";
    private const string OfOne = "detail, bars, pressure, piles, struts, sections, forces, body, steel, pedestal, shaft";

    private static readonly string[] Kinds = [.. OfBuilding.Split(", "), .. OfOne.Split(", ")];

    public static Command Build()
    {
        var command = new Command("draw", """
            Draws what is adopted, of the building or of the marks that are named:
              plan         grids, columns, footings to scale, dimensions, site, schedule
              utilisation  the plan with what governs each footing and how much room it has
              loads        the plan with what every column brings, a sheet a case
              detail       a footing's plan and sections with its bars, levels, dimensions
              bars         a footing with all its bars, seen from above one corner
              pressure     contact pressure: bands, corner values, zero line, resultant
              piles        what each pile of a cap carries, its greatest and least
              struts       strut-and-tie model of a cap on piles: forces, strengths
              sections     critical sections of shear with shears, stresses, strengths
              forces       shear and moment along the base
              body         a metre of a wall and its base as a free body, shear and moment up the wall
              steel        steel needed and provided, by face and direction
              pedestal     force with moments: strength and all combinations
              shaft        the same of the piles' shafts

            Examples:
              plinth draw --to out/plan.dxf                              the foundation plan
              plinth draw F7                                             its detail
              plinth draw 'F1*' --what detail --to out/details.pdf       a sheet each
              plinth draw F7 --what pressure --combination S7:+WX --to p.svg
              plinth draw --what utilisation --sheet A1 --to out/map.pdf
            """);
        var marks = new Argument<string[]>("mark") { Description = "Marks or patterns (default: all)", Arity = ArgumentArity.ZeroOrMore };
        var what = new Option<string?>("--what")
        {
            Description = "What to draw (default: plan; of marks that are named, detail)",
            HelpName = "KIND"
        };
        what.AcceptOnlyFromAmong(Kinds);
        var to = new Option<string?>(
            "--to")
        {
            Description =
                "The file to write: .svg, .png, .pdf or .dxf; several sheets get the mark or case in their names, in a PDF a page each "
                    + "(default: out/KIND.pdf in the project)",
            HelpName = "FILE"
        };
        var combination = new Option<string?>(
            "--combination")
        {
            Description = "The combination of pressure, sections, forces, body, piles or struts (default: the governing one)",
            HelpName = "NAME"
        };
        var @case = new Option<string?>("--case") { Description = "The case of loads (default: all)", HelpName = "NAME" };
        var paper = new Option<string?>("--sheet")
        {
            Description = "A4 to A1, ANSI-A to ANSI-D (default: the smallest that suits)",
            HelpName = "SIZE"
        };
        var scale = new Option<double?>("--scale")
        {
            Description = "1 : so much (default: the largest usual scale that fits)",
            HelpName = "N"
        };
        var revision = new Option<string>("--revision")
        {
            Description = "Revision for the title block (default: preliminary)",
            HelpName = "REV",
            DefaultValueFactory = _ => ""
        };
        command.Add(marks);
        foreach (var option in new Option[] { what, to, combination, @case, paper, scale, revision })
        {
            command.Add(option);
        }

        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed),
            new Wanted(parsed.GetValue(marks) ?? [], parsed.GetValue(what), parsed.GetValue(to), parsed.GetValue(combination),
                parsed.GetValue(@case), parsed.GetValue(paper), parsed.GetValue(scale), parsed.GetValue(revision)!)));
        return command;
    }

    private sealed record Wanted(string[] Marks, string? What, string? To, string? Combination, string? Case, string? Paper, double? Scale,
        string Revision)
    {
        public string Kind => What ?? (Marks.Length > 0 ? "detail" : "plan");

        public string Name => (Kind == "plan" ? "foundation-plan" : Kind) + ".pdf";

        public DrawingRequest Request(string title, string number) => new(title, number, Revision, Size, Scale);

        public Paper? Size =>
            Paper is null
                ? null
                : Drawing.Sheets.Paper.Find(Paper.Replace('-', ' '))
                    ?? throw new CallException(
                        $"--sheet {Paper} is not known; it is one of "
                            + $"{string.Join(", ", Drawing.Sheets.Paper.All.Select(p => p.Name.Replace(' ', '-')))}");
    }

    private static int Run(Call call, Wanted wanted)
    {
        var ending = Path.GetExtension(wanted.To ?? wanted.Name).ToLowerInvariant();
        if (ending is not (".svg" or ".png" or ".pdf" or ".dxf"))
        {
            throw new CallException($"--to {wanted.To}: drawings are written as .svg, .png, .pdf or .dxf; name the file so");
        }

        // A wrong size is told before files are read.
        _ = wanted.Size;
        var ofBuilding = OfBuilding.Split(", ").Contains(wanted.Kind);
        if (ofBuilding && wanted.Marks.Length > 0)
        {
            throw new CallException($"--what {wanted.Kind} shows the whole building; leave the marks away, or draw {OfOne}");
        }

        if (wanted.Combination is not null && wanted.Kind is not ("pressure" or "sections" or "forces" or "body" or "piles" or "struts"))
        {
            throw new CallException("--combination goes with --what pressure, sections, forces, piles or struts");
        }

        if (wanted.Case is not null && wanted.Kind != "loads")
        {
            throw new CallException("--case goes with --what loads");
        }

        var loaded = call.Load();
        var project = loaded.Project;
        if (wanted.Scale is { } asked && !DrawingScale.For(project.Units).Any(s => Math.Abs(s.Ratio - asked) < 1e-6))
        {
            throw new CallException(
                $"--scale {asked} is not usual; it is one of {string.Join(", ", DrawingScale.For(project.Units).Select(s => s.Ratio))}");
        }

        var chosen = Call.Choose(project, wanted.Marks);
        var missing = chosen.Where(f => loaded.Design(f) is null).Select(f => f.Mark).ToList();
        var designs = chosen.Where(f => loaded.Design(f) is not null)
            .Select(f => (Foundation: f, Design: loaded.Design(f)!))
            .ToList<(Foundation Foundation, FoundationDesign Design)>();
        if (designs.Count == 0)
        {
            throw new CallException(missing.Count == 1
                ? $"{missing[0]} is not sized yet; run: plinth size {missing[0]}"
                : "nothing is sized yet; run: plinth size");
        }

        var sheets = ofBuilding ? Whole(loaded, designs, wanted) : Each(loaded, designs, wanted);
        Write(call, loaded, wanted.To ?? Call.Out(loaded, wanted.Name), ending, sheets);
        if (missing.Count > 0)
        {
            Console.Error.WriteLine($"Not sized yet, so not drawn: {string.Join(", ", missing)} (run: plinth size)");
        }

        return missing.Count > 0 ? ExitCode.Fails : ExitCode.Ok;
    }

    private static List<(string Name, Sheet Sheet)> Whole(LoadedProject loaded,
        List<(Foundation Foundation, FoundationDesign Design)> designs, Wanted wanted)
    {
        var project = loaded.Project;
        string Number(int place, string of) => DrawingRules.Number(project.Drawings.Others, place, of);
        Sheet Fits(Sheet? sheet) =>
            sheet
                ?? throw new CallException("the plan does not fit" + (wanted.Paper is null ? "" : $" on {wanted.Paper}")
                    + (wanted.Scale is null ? " at any usual scale" : $" at 1:{wanted.Scale}")
                    + "; leave --sheet or --scale away, or give a larger sheet or a smaller scale");
        switch (wanted.Kind)
        {
            case "plan":
                return [("", Fits(FoundationPlan.Of(project, designs, wanted.Request("Foundation plan", project.Drawings.Plan))))];
            case "utilisation":
                var reports = CheckCommand.WithRoom(loaded, CheckCommand.Check(loaded, [.. designs.Select(d => d.Foundation)]));
                return [("",
                    Fits(ResultPlan.Utilisation(project, reports,
                        wanted.Request("Utilisation of the foundations", Number(1, "utilisation")))))];
            default:
                var cases = project.Cases.Select((c, i) => (Case: c, Index: i))
                    .Where(c => c.Case.HasReactions && (wanted.Case is null || c.Case.Name == wanted.Case))
                    .ToList();
                if (cases.Count == 0)
                {
                    throw new CallException(
                        $"there is no case \"{wanted.Case}\"; cases are "
                            + $"{string.Join(", ", project.Cases.Where(c => c.HasReactions).Select(c => c.Name))}");
                }

                return [.. cases.Select((c, i) => (c.Case.Name,
                    Fits(ResultPlan.Loads(project, designs, c.Index,
                        wanted.Request("Column loads, case " + c.Case.Name, Number(i + 1, c.Case.Name))))))];
        }
    }

    private static List<(string Name, Sheet Sheet)> Each(LoadedProject loaded,
        List<(Foundation Foundation, FoundationDesign Design)> designs, Wanted wanted)
    {
        var project = loaded.Project;
        var bars = wanted.Kind is "detail" or "bars"
            ? BarSchedule.Of(project, project.Foundations.Where(f => loaded.Design(f) is not null).Select(f => (f, loaded.Design(f)!)))
            : null;
        var sheets = new List<(string, Sheet)>();
        var without = new List<(string Mark, string Lacks)>();
        foreach (var (f, design) in designs)
        {
            if (wanted.Combination is { } name)
            {
                Call.HasCombination(project, f, name);
            }

            Runner.Token.ThrowIfCancellationRequested();
            string Number(string pattern) => DrawingRules.Number(pattern, project.PlaceOf(f), f.Mark);
            Sheet Fits(Sheet? sheet) =>
                sheet
                    ?? throw new CallException($"{f.Mark} does not fit" + (wanted.Paper is null ? "" : $" on {wanted.Paper}")
                        + (wanted.Scale is null ? "" : $" at 1:{wanted.Scale}")
                        + "; leave --sheet or --scale away, or give a larger sheet or a smaller scale");
            if (bars is not null)
            {
                var model = new DetailModel(project, f, design, bars);
                if (wanted.Kind == "bars" && model.State.Columns.Length > 1)
                {
                    without.Add((f.Mark, Lacks(wanted.Kind, f, design)));
                    continue;
                }

                sheets.Add((f.Mark, wanted.Kind == "detail"
                    ? Fits(FigureSheet.Detail(model,
                        wanted.Request($"{f.Mark}: {f.Kind.Noun} under {Wording.Supports(f)}, details", Number(project.Drawings.Details))))
                    : Fits(FigureSheet.Of(project, wanted.Request($"{f.Mark}: bars", Number(project.Drawings.Others)),
                        [BarsView.Of(model)]))));
                continue;
            }

            var (kind, width) = wanted.Kind switch
            {
                "pressure" => (FigureKind.Pressure, 160.0),
                "sections" => (FigureKind.Sections, 235),
                "forces" => (FigureKind.Forces, 235),
                "body" => (FigureKind.Body, 235),
                "steel" => (FigureKind.Steel, 200),
                "piles" => (FigureKind.Piles, 235),
                "struts" => (FigureKind.Struts, 235),
                "shaft" => (FigureKind.Shaft, 235),
                _ => (FigureKind.Pedestal, 235),
            };
            if (new FoundationFigures(project, f, design).Make(kind, wanted.Combination, width, 140) is { } figure)
            {
                sheets.Add((f.Mark,
                    Fits(FigureSheet.Of(project, wanted.Request(figure.Title, Number(project.Drawings.Others)), [figure]))));
            }
            else
            {
                without.Add((f.Mark, Lacks(wanted.Kind, f, design)));
            }
        }

        var reasons = without.GroupBy(w => w.Lacks, w => w.Mark).Select(g => $"{g.Key} ({Wording.Marks([.. g])})").ToList();
        if (sheets.Count == 0)
        {
            throw new CallException("nothing to draw: " + string.Join("; ", reasons));
        }

        reasons.ForEach(reason => Console.Error.WriteLine("Left out: " + reason));
        return sheets;
    }

    // Why there is nothing of a kind to draw of a foundation.
    private static string Lacks(string kind, Foundation f, FoundationDesign design)
    {
        var onPiles = design.Piling.Count > 0;
        return kind switch
        {
            "pressure" when onPiles => "it is piles that press the ground; --what piles shows what they carry",
            "piles" or "struts" or "shaft" when !onPiles => "no piles",
            "struts" => "no pile within 2d of a column's face",
            "shaft" => "the bending of the piles' shafts is not checked; plinth check says what it needs",
            "body" => "no wall",
            "pedestal" => "no pedestal",
            "bars" => "the bars of a base under several columns are shown by its detail",
            "steel" when design.Columns > 1 =>
                "what steel a base under several columns needs differs along it; --what forces shows strength beside demand",
            _ => "no combination gives any",
        };
    }

    private static void Write(Call call, LoadedProject loaded, string to, string ending, List<(string Name, Sheet Sheet)> sheets)
    {
        var names = sheets.Count == 1 || ending == ".pdf"
            ? [to]
            : FileNames.Of([.. sheets.Select(s => s.Name)]).Select(name => Path.ChangeExtension(to, null) + "-" + name + ending).ToList();
        names.ForEach(name => Call.MayWrite(loaded, name));
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(to))!);
        if (ending == ".pdf")
        {
            TextFile.WriteAtomically(to, PdfWriter.Write([.. sheets.Select(s => s.Sheet)]));
            Tell(call, to, sheets[0].Sheet, sheets.Count);
            return;
        }

        foreach (var ((_, sheet), file) in sheets.Zip(names))
        {
            TextFile.WriteAtomically(file,
                ending switch { ".svg" => SvgWriter.Write(sheet), ".png" => PngWriter.Write(sheet), _ => DxfWriter.Write(sheet) });
            Tell(call, file, sheet, 1);
        }
    }

    private static void Tell(Call call, string file, Sheet sheet, int pages)
    {
        if (!call.Quiet)
        {
            Console.Error.WriteLine(
                $"Written to {file}: {(pages > 1 ? $"{pages} sheets, the first " : "")}{sheet.Paper.Name}, {sheet.Scale.Words}");
        }
    }
}
