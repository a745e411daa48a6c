using System.Globalization;
using Plinth.Cli.Commands;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using Plinth.Files.Json;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Spectre.Console;

namespace Plinth.Cli.Output;

/// <summary>Shows what could stand in place of bases that overlap, or for which nothing was found.</summary>
internal static class Proposing
{
    // So many are named under a table of sizes, and so many priced; more are told by their number.
    private const int MostNamed = 4;
    private const int MostPriced = 40;

    /// <summary>Names the proposals under a table of sizes, ready to paste.</summary>
    public static void Name(Call call, LoadedProject loaded, IReadOnlyList<FoundationReport> reports)
    {
        var found = Proposals.Of(loaded.Project, CheckCommand.Whole(loaded, reports).Near, reports).Where(p => !p.Held.Trapezoid).ToList();
        if (found.Count == 0)
        {
            return;
        }

        var screen = new Screen(call);
        screen.Line();
        screen.Wrapped(
            $"Proposed, ready to paste into {ProjectReader.FileName}; plinth size --propose sizes and prices "
                + $"{(found.Count == 1 ? "it" : "each")}:");
        foreach (var p in found.Take(MostNamed))
        {
            Paste(screen, loaded, p, Because(p, loaded.Project.Units));
        }

        if (found.Count > MostNamed)
        {
            screen.Line(string.Create(CultureInfo.InvariantCulture, $"and {found.Count - MostNamed} more"));
        }
    }

    /// <summary>Sizes and prices the proposals, each alone; nothing is written.</summary>
    public static int Price(Call call, LoadedProject loaded, IReadOnlyList<FoundationReport> reports)
    {
        var building = CheckCommand.Whole(loaded, reports);
        var all = Proposals.Of(loaded.Project, building.Near, reports);
        var priced = ProposalPrices.Of(loaded, reports, [.. all.Take(MostPriced)], Runner.Token);
        switch (call.Format)
        {
            case OutputFormat.Json:
                using (var stdout = Streams.Results())
                {
                    ProposalsJson.Write(stdout, loaded, priced);
                }

                break;
            case OutputFormat.Csv:
                Console.Out.Write(Csv(loaded, priced));
                break;
            default:
                Table(new Screen(call), loaded, priced);
                break;
        }

        if (all.Count > MostPriced)
        {
            Console.Error.WriteLine(string.Create(CultureInfo.InvariantCulture,
                $"{all.Count - MostPriced} more proposals are not priced here; name marks to see theirs, for example plinth size "
                    + $"{all[MostPriced].Case.Marks[0]} --propose"));
        }

        return reports.All(r => r.Passes) && building.Passes ? ExitCode.Ok : ExitCode.Fails;
    }

    private static void Table(Screen screen, LoadedProject loaded, IReadOnlyList<PricedProposal> priced)
    {
        var units = loaded.Project.Units;
        if (priced.Count == 0)
        {
            screen.Line(
                "Nothing to propose: no bases overlap or leave a small gap, and none that an edge or the site "
                    + "confines is without a design.");
            return;
        }

        screen.Line("Proposals, each sized alone; nothing is written", Styles.Head);
        var table = Screen.Table(">no.", "in place of", "because", "one base under", Dimension.Heading("plan", Unit.Length, units),
            Dimension.Heading(">h", Unit.Section, units), ">util.", ">cost now", ">then", "result");
        foreach (var (p, i) in priced.Select((p, i) => (p, i)))
        {
            string Cost(double? cost) => cost?.ToString("0", CultureInfo.InvariantCulture) ?? "—";
            var design = p.Found?.Design;
            table.AddRow(
                Screen.Cell((i + 1).ToString(CultureInfo.InvariantCulture)), Screen.Cell(string.Join(", ", p.Proposal.Case.Marks)),
                Screen.Cell(Short(p.Proposal, units)),
                Screen.Cell(string.Join(", ", p.Proposal.Supports.Select(s => s.Label))),
                Screen.Cell(design is null ? "—" : Wording.Plan(design, units)),
                Screen.Cell(design is null ? "—" : Dimension.PlainSection(design.Size.Thickness, units)),
                Screen.Cell(p.Found?.Result is { } r ? Wording.Utilisation(r.Governing.Utilisation, r.Governing.Passes) : "—"),
                Screen.Cell(Cost(p.CostNow)), Screen.Cell(Cost(p.CostThen)),
                Screen.Cell(Result(p, units), Styles.Of(p.Serves)));
        }

        screen.Write(table);
        foreach (var (p, i) in priced.Select((p, i) => (p, i)).Where(x => x.p.Found?.Design is null))
        {
            screen.Wrapped(string.Create(CultureInfo.InvariantCulture, $"· {i + 1}: {p.Fault ?? p.Found!.Stop!.Reason}"));
        }

        screen.Wrapped(
            "Cost by [rates], in their currency; what overlaps now cannot be built at its cost. Of a mark made alike the cost is that of "
                + "the place named.");
        var serving = priced.Select((p, i) => (p, i)).Where(x => x.p.Serves).ToList();
        if (serving.Count > 0)
        {
            screen.Line();
            screen.Wrapped($"To take one, paste it into {ProjectReader.FileName} and run plinth size:");
            foreach (var (p, i) in serving)
            {
                Paste(screen, loaded, p.Proposal, string.Create(CultureInfo.InvariantCulture, $"no. {i + 1}"));
            }
        }
    }

    private static void Paste(Screen screen, LoadedProject loaded, Proposal p, string comment)
    {
        screen.Line();
        var lines = ProposalPrices.Toml(p, loaded.Project.Units);
        screen.Line($"  {lines[0]}  # {comment}");
        foreach (var line in lines.Skip(1))
        {
            screen.Line("  " + line);
        }

        foreach (var words in Replaced(loaded, p))
        {
            screen.Wrapped("  # " + words, 4);
        }
    }

    private static IEnumerable<string> Replaced(LoadedProject loaded, Proposal p) =>
        ProposalPrices.Replaced(loaded, p)
            .Select(
                r =>
                    $"in place of the table of {r.Mark} at {r.Place}: take "
                        + string.Join(", ", p.Supports.Select(s => s.Label)
                            .Intersect(loaded.Project.Foundations.First(f => f.Mark == r.Mark).Supports.Select(s => s.Label)))
                        + " out there"
            + (r.Lost.Count == 0 ? "" : $"; not carried over: {string.Join(", ", r.Lost)}"));

    private static string Result(PricedProposal p, UnitSystem units) =>
        p.Fault is not null ? "✗ cannot be read" : p.Found!.Design is null ? "✗ NONE"
        : p.Near.Count == 0 ? "✓ serves"
        : string.Join("\n",
            p.Near.OrderBy(n => n.Gap)
                .Select(n => n.Gap < 0 ? $"✗ OVERLAPS {n.Mark}" : $"gap of {Dimension.Plan(n.Gap, units)} to {n.Mark}"));

    private static string Short(Proposal p, UnitSystem units) => p.Case.Cause switch
    {
        ProposalCause.Overlap => $"overlap {Dimension.Plan(-p.Case.Gap, units)}",
        ProposalCause.SmallGap => $"gap {Dimension.Plan(p.Case.Gap, units)}",
        _ => "nothing found",
    };

    private static string Because(Proposal p, UnitSystem units)
    {
        var marks = string.Join(" and ", p.Case.Marks);
        return p.Case.Cause switch
        {
            ProposalCause.Overlap => $"{marks} overlap by {Dimension.Plan(-p.Case.Gap, units)}",
            ProposalCause.SmallGap => $"{marks} leave a gap of {Dimension.Plan(p.Case.Gap, units)}",
            _ => $"nothing was found for {p.Case.Marks[0]}",
        };
    }

    private static string Csv(LoadedProject loaded, IReadOnlyList<PricedProposal> priced)
    {
        var units = loaded.Project.Units;
        var (length, section) = (Unit.Length.Symbol(units), Unit.Section.Symbol(units));
        var csv = new CsvText();
        csv.Row("in place of", "cause", $"gap ({length})", "kind", "supports", $"length ({length})", $"width ({length})",
            $"end width ({length})", $"thickness ({section})", "utilisation", "cost now", "cost then", "serves", "stopped", "near");
        foreach (var p in priced)
        {
            var d = p.Found?.Design;
            object Size(Func<FoundationDesign, double> of, Unit unit) => d is null ? "" : unit.In(of(d), units);
            csv.Row(
                string.Join(", ", p.Proposal.Case.Marks), ProposalsJson.Word(p.Proposal.Case.Cause),
                p.Proposal.Case.Cause == ProposalCause.NothingFound ? "" : Unit.Length.In(p.Proposal.Case.Gap, units), p.Proposal.Kind.Id,
                string.Join(", ", p.Proposal.Supports.Select(s => s.Label)),
                Size(x => x.Size.Length, Unit.Length), Size(x => x.Size.Width, Unit.Length), Size(x => x.EndWidth, Unit.Length),
                Size(x => x.Size.Thickness, Unit.Section),
                p.Found?.Result?.Governing.Utilisation is { } u ? u : "", p.CostNow is { } now ? now : "",
                p.CostThen is { } then ? then : "", p.Serves ? "yes" : "no", p.Fault ?? p.Found?.Stop?.Reason ?? "",
                string.Join(", ", p.Near.Select(n => n.Mark)));
        }

        return csv.ToString();
    }
}
