using System.CommandLine;
using Plinth.Cli.Output;
using Plinth.Core.Audit;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Files;
using Plinth.Files.Reading;
using Plinth.Reports.Building;
using Plinth.Reports.Writers;

namespace Plinth.Cli.Commands;

/// <summary>Writes the calculation report.</summary>
internal static class ReportCommand
{
    public static Command Build()
    {
        var command = new Command("report", """
            Writes the calculation report of what is adopted, from the traces of the checks themselves.
              summary  the building: basis, load totals, what governs, fails, is waived, accepted, not checked
              checks   and each footing with its data, loads, checks, detail and pressure
              full     and every check step by step with its figures

            Examples:
              plinth report                                         out/report.html
              plinth report --depth full --to out/calculations.pdf
              plinth report F7 'F1*' --depth full --to f7.docx
              plinth report --chapters basis,loads --to basis.pdf
            """);
        var marks = new Argument<string[]>("mark") { Description = "Marks or patterns (default: all)", Arity = ArgumentArity.ZeroOrMore };
        var depth = new Option<string>("--depth")
        {
            Description = "summary, checks or full",
            HelpName = "DEPTH",
            DefaultValueFactory = _ => "checks"
        };
        depth.AcceptOnlyFromAmong("summary", "checks", "full");
        var to = new Option<string?>(
            "--to")
        {
            Description = "The file to write: .html, .pdf or .docx (default: out/report.html in the project)",
            HelpName = "FILE"
        };
        var chapters = new Option<string?>(
            "--chapters")
        {
            Description =
                $"Only these of {string.Join(", ", ReportInput.AllChapters)}, with commas between (default: all that the depth has)",
            HelpName = "LIST"
        };
        var combination = new Option<string?>(
            "--combination")
        {
            Description =
                "Steps and figures in this combination where it applies (default: the governing one of each check)",
            HelpName = "NAME"
        };
        var revision = new Option<string>("--revision")
        {
            Description = "Revision for the header (default: preliminary)",
            HelpName = "REV",
            DefaultValueFactory = _ => ""
        };
        command.Add(marks);
        foreach (var option in new Option[] { depth, to, chapters, combination, revision })
        {
            command.Add(option);
        }

        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(marks) ?? [],
            Enum.Parse<ReportDepth>(parsed.GetValue(depth)!, true), parsed.GetValue(to), parsed.GetValue(chapters),
            parsed.GetValue(combination), parsed.GetValue(revision)!));
        return command;
    }

    private static int Run(Call call, string[] marks, ReportDepth depth, string? given, string? chapters, string? combination,
        string revision)
    {
        var writer = WriterOf(given ?? "report.html");
        string[] wanted = chapters is null
            ? []
            : chapters.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (wanted.FirstOrDefault(c => !ReportInput.AllChapters.Contains(c)) is { } unknown)
        {
            throw new CallException($"--chapters {unknown} is not known; it is one of {string.Join(", ", ReportInput.AllChapters)}");
        }

        var loaded = call.Load();
        var to = given ?? Call.Out(loaded, "report.html");
        Call.MayWrite(loaded, to);
        var chosen = Call.Choose(loaded.Project, marks);
        if (combination is not null)
        {
            // One that some of them leave out is told for the others.
            Call.HasCombination(loaded.Project,
                chosen.FirstOrDefault(f => PartialLive.Used(loaded.Project, f).Any(c => c.Name == combination)) ?? chosen[0],
                combination);
        }

        using var bar = new ProgressLine("reporting", chosen.Count);
        var input = Input(loaded, chosen) with
        {
            Depth = depth,
            Chapters = wanted,
            Combination = combination,
            Revision = revision,
            Version = Call.Version,
            Progress = Step(bar)
        };
        Write(writer, input, to);
        if (!call.Quiet)
        {
            Console.Error.WriteLine($"Written to {to}: {Wording.Summary(input.Reports)}");
        }

        return input.Reports.All(r => r.Passes) && input.Building.Passes ? ExitCode.Ok : ExitCode.Fails;
    }

    /// <summary>The writer of a file's format.</summary>
    /// <exception cref="CallException">There is none.</exception>
    public static IReportWriter WriterOf(string file) => Path.GetExtension(file).ToLowerInvariant() switch
    {
        ".html" => new HtmlReport(),
        ".pdf" => new PdfReport(),
        ".docx" => new DocxReport(),
        _ => throw new CallException($"--to {file}: reports are written as .html, .pdf or .docx; name the file so"),
    };

    /// <summary>What a report on some foundations is made from.</summary>
    public static ReportInput Input(LoadedProject loaded, IReadOnlyList<Foundation> chosen)
    {
        var reports = CheckCommand.WithRoom(loaded, CheckCommand.Check(loaded, chosen));
        var designs = loaded.Project.Foundations.Where(f => loaded.Design(f) is not null).Select(f => (f, loaded.Design(f)!)).ToList();
        return new ReportInput(loaded.Project, reports, BarSchedule.Of(loaded.Project, designs), CheckCommand.Whole(loaded, reports),
            Auditor.Run(loaded.Project, loaded.Totals),
            [.. SettingsTable.Lines(loaded, chosen[0])
                .Where(s => s.Set.Length > 0 && !s.Table.StartsWith("sizing", StringComparison.Ordinal) && s.Table != "rates")]);
    }

    /// <summary>Draws the bar, and stops where the user stops the work.</summary>
    public static Action<int, int> Step(ProgressLine bar) => (n, _) =>
    {
        Runner.Token.ThrowIfCancellationRequested();
        bar.At(n);
    };

    /// <summary>Writes a report whole or not at all.</summary>
    public static void Write(IReportWriter writer, ReportInput input, string to)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(to))!);
        using var file = TextFile.WriteAtomically(to);
        writer.Write(ReportBuilder.Of(input), file.Stream);
        Runner.Token.ThrowIfCancellationRequested();
        file.Commit();
    }
}
