using System.CommandLine;
using Plinth.Core.Foundations;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;
using Plinth.Drawing.Writers;
using Plinth.Files;

namespace Plinth.Cli.Commands;

/// <summary>Draws what is adopted.</summary>
internal static class DrawCommand
{
    public static Command Build()
    {
        var command = new Command("draw", """
            Draws the foundation plan of what is adopted: grids, columns and footings to scale, dimensions, the site, the schedule beside it.

            Examples:
              plinth draw --to out/plan.pdf
              plinth draw --to out/plan.dxf
              plinth draw --sheet A1 --scale 50 --to out/plan.svg
            """);
        var to = new Option<string>("--to") { Description = "The file to write: .svg, .png, .pdf or .dxf", HelpName = "FILE", DefaultValueFactory = _ => "out/foundation-plan.pdf" };
        var paper = new Option<string?>("--sheet") { Description = "A4 to A1, ANSI-A to ANSI-D (default: the smallest that suits)", HelpName = "SIZE" };
        var scale = new Option<double?>("--scale") { Description = "1 : so much (default: the largest usual scale that fits)", HelpName = "N" };
        var revision = new Option<string>("--revision") { Description = "Revision for the title block (default: preliminary)", HelpName = "REV", DefaultValueFactory = _ => "" };
        foreach (var option in new Option[] { to, paper, scale, revision })
        {
            command.Add(option);
        }

        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(to)!, parsed.GetValue(paper), parsed.GetValue(scale), parsed.GetValue(revision)!));
        return command;
    }

    private static int Run(Call call, string to, string? paper, double? scale, string revision)
    {
        var ending = Path.GetExtension(to).ToLowerInvariant();
        if (ending is not (".svg" or ".png" or ".pdf" or ".dxf"))
        {
            throw new CallException($"--to {to}: drawings are written as .svg, .png, .pdf or .dxf; name the file so");
        }

        var size = paper is null ? null : Paper.Find(paper.Replace('-', ' ')) ?? throw new CallException($"--sheet {paper} is not known; it is one of {string.Join(", ", Paper.All.Select(p => p.Name.Replace(' ', '-')))}");
        var loaded = call.Load();
        var project = loaded.Project;
        if (scale is { } asked && !DrawingScale.For(project.Units).Any(s => Math.Abs(s.Ratio - asked) < 1e-6))
        {
            throw new CallException($"--scale {asked} is not usual; it is one of {string.Join(", ", DrawingScale.For(project.Units).Select(s => s.Ratio))}");
        }

        var missing = project.Foundations.Where(f => loaded.Design(f) is null).Select(f => f.Mark).ToList();
        var designs = project.Foundations.Where(f => loaded.Design(f) is not null).Select(f => (Foundation: f, Design: loaded.Design(f)!)).ToList<(Foundation, FoundationDesign)>();
        if (designs.Count == 0)
        {
            throw new CallException("nothing is sized yet; run: plinth size");
        }

        var sheet = FoundationPlan.Of(project, designs, new DrawingRequest("Foundation plan", Revision: revision, Paper: size, Scale: scale))
            ?? throw new CallException("the plan with its schedule does not fit" + (paper is null ? "" : $" on {paper}") + (scale is null ? " at any usual scale" : $" at 1:{scale}") + "; leave --sheet or --scale away, or give a larger sheet or a smaller scale");
        var bytes = ending switch
        {
            ".svg" => SvgWriter.Write(sheet),
            ".png" => PaintedWriter.Png(sheet),
            ".pdf" => PaintedWriter.Pdf([sheet]),
            _ => DxfWriter.Write(sheet),
        };
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(to))!);
        TextFile.WriteAtomically(to, bytes);
        if (!call.Quiet)
        {
            Console.Error.WriteLine($"Written to {to}: {sheet.Paper.Name}, {sheet.Scale.Words}");
        }

        if (missing.Count > 0)
        {
            Console.Error.WriteLine($"Not sized yet, so not drawn: {string.Join(", ", missing)} (run: plinth size)");
        }

        return missing.Count > 0 ? ExitCode.Fails : ExitCode.Ok;
    }
}
