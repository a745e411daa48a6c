using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>What a proposal comes to.</summary>
/// <param name="Proposal">The proposal.</param>
/// <param name="Found">The foundation with its design, or with what stopped sizing; null: the project cannot be read with it.</param>
/// <param name="Fault">Why it cannot be read; null: it can.</param>
/// <param name="CostNow">What stands there now costs by the rates; null: not all of it is sized.</param>
/// <param name="CostThen">What the proposal costs by the rates; null: nothing was found.</param>
/// <param name="Near">Marks of bases that the new one overlaps (gap below 0) or leaves a small gap to, m.</param>
public sealed record PricedProposal(Proposal Proposal, FoundationReport? Found, string? Fault, double? CostNow, double? CostThen,
    IReadOnlyList<(string Mark, double Gap)> Near)
{
    /// <summary>Whether it passes and overlaps nothing.</summary>
    public bool Serves => Found is { Passes: true } && !Near.Any(n => n.Gap < 0);
}

/// <summary>Sizes proposals as if they stood in plinth.toml: each alone, nothing is written.</summary>
public static class ProposalPrices
{
    /// <summary>The text of a proposal, ready to paste into plinth.toml.</summary>
    /// <param name="proposal">The proposal.</param>
    /// <param name="units">Units of its lengths.</param>
    public static IReadOnlyList<string> Toml(Proposal proposal, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(proposal);
        var lines = new List<string> { "[[foundation]]" };
        var (held, us) = (proposal.Held, units == UnitSystem.Us);
        if (FoundationKinds.For(proposal.Supports.Count) != proposal.Kind)
        {
            lines.Add($"kind = {TomlText.Quote(proposal.Kind.Id)}");
        }

        lines.Add($"supports = [{string.Join(", ", proposal.Supports.Select(s => TomlText.Quote(s.Label)))}]");
        foreach (var (key, edge) in new[] { ("edge-x0", held.EdgeX0), ("edge-x1", held.EdgeX1), ("edge-y0", held.EdgeY0),
            ("edge-y1", held.EdgeY1) })
        {
            if (edge is { } e)
            {
                lines.Add($"{(proposal.Kind.EdgeOf is { } table ? table + "." : "")}{key} = "
                    + $"{(e.AtColumn ? TomlText.Quote("column") : TomlText.Length(e.Distance, us))}");
            }
        }

        if (held.Trapezoid)
        {
            lines.Add("outline = \"trapezoid\"");
        }

        if (proposal.Ground is { } ground)
        {
            lines.Add($"ground = {TomlText.Quote(ground)}");
        }

        return lines;
    }

    /// <summary>
    /// Tables of plinth.toml that name the supports of a proposal and must give way to it: where each stands, what it belongs to, and what
    /// it states that the proposal does not.
    /// </summary>
    /// <param name="loaded">The project.</param>
    /// <param name="proposal">The proposal.</param>
    public static IReadOnlyList<(FilePlace Place, string Mark, IReadOnlyList<string> Lost)> Replaced(LoadedProject loaded,
        Proposal proposal)
    {
        ArgumentNullException.ThrowIfNull(loaded);
        ArgumentNullException.ThrowIfNull(proposal);
        var result = new List<(FilePlace, string, IReadOnlyList<string>)>();
        foreach (var mark in proposal.Case.Marks)
        {
            if (loaded.Settings.Foundations.TryGetValue(mark, out var log)
                && log.Settings.Where(s => s.Place is not null).ToList() is { Count: > 0 } set)
            {
                result.Add((set.MinBy(s => s.Place!.Value.Line)!.Place!.Value, mark,
                    [.. set.Select(s => s.Table is "" or "foundation" ? s.Key : $"[{s.Table}] {s.Key}")
                        .Where(k => !Carried.Contains(k))
                        .Distinct()]));
            }
        }

        return result;
    }

    private static readonly HashSet<string> Carried = ["mark", "kind", "supports", "each", "alike", "edge-x0", "edge-x1", "edge-y0",
        "edge-y1"];

    /// <summary>
    /// Sizes proposals and prices them beside what stands there now; a trapezoid only where the rectangle under the same supports does not
    /// serve.
    /// </summary>
    /// <param name="loaded">The project.</param>
    /// <param name="reports">Its foundations with the designs that stand now.</param>
    /// <param name="proposals">The proposals.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="OperationCanceledException">The work was stopped.</exception>
    public static IReadOnlyList<PricedProposal> Of(LoadedProject loaded, IReadOnlyList<FoundationReport> reports,
        IReadOnlyList<Proposal> proposals, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(loaded);
        ArgumentNullException.ThrowIfNull(reports);
        ArgumentNullException.ThrowIfNull(proposals);
        var now =
            loaded.Project.Foundations.Select(f => (Foundation: f,
                Design: reports.FirstOrDefault(r => r.Foundation.Mark == f.Mark)?.Design ?? loaded.Design(f))).ToList();
        var found = new Dictionary<Proposal, (Project Project, FoundationReport Report)>();
        var faults = new Dictionary<Proposal, string>();
        foreach (var round in Rounds([.. proposals.Where(p => !p.Held.Trapezoid)])
            .Concat(Rounds([.. proposals.Where(p => p.Held.Trapezoid)])))
        {
            // A trapezoid is of use where the rectangle does not serve.
            round.RemoveAll(p => p.Held.Trapezoid
                && found.Any(f => f.Key.Case == p.Case && !f.Key.Held.Trapezoid && f.Value.Report.Passes
                    && Near(f.Key, f.Value.Report).All(n => n.Item2 >= 0)));
            if (round.Count == 0)
            {
                continue;
            }

            // Where one of a round cannot be read, each is read alone.
            if (Read(loaded, round, out _) is { } together)
            {
                Size(together, round);
                continue;
            }

            foreach (var p in round)
            {
                if (Read(loaded, [p], out var fault) is { } alone)
                {
                    Size(alone, [p]);
                }
                else
                {
                    faults.Add(p, fault);
                }
            }
        }

        return [.. proposals.Where(p => found.ContainsKey(p) || faults.ContainsKey(p)).Select(p => found.TryGetValue(p, out var f)
            ? new PricedProposal(p, f.Report, null, CostNow(p), f.Report.Design is { } d ? Cost(f.Project, f.Report.Foundation, d) : null,
                Near(p, f.Report))
            : new PricedProposal(p, null, faults[p], CostNow(p), null, []))];

        void Size(Project project, List<Proposal> round)
        {
            var foundations =
                round.Select(
                    p => project.Foundations.First(f => f.Kind == p.Kind
                        && f.Supports.Select(s => s.Label).ToHashSet().SetEquals(p.Supports.Select(s => s.Label)))).ToList();
            var results = Building.Size(project, foundations, null, cancel, check: true);
            for (var i = 0; i < round.Count; i++)
            {
                found.Add(round[i],
                    (project, new FoundationReport(foundations[i], results[i].Design, results[i].Checked, null, results[i].Stop)));
            }
        }

        double? CostNow(Proposal p)
        {
            var sum = 0.0;
            foreach (var (foundation, _) in p.Case.Stands)
            {
                if (now.Find(n => n.Foundation.Mark == foundation.Mark).Design is not { } design)
                {
                    return null;
                }

                sum += Cost(loaded.Project, foundation, design);
            }

            return sum;
        }

        IReadOnlyList<(string, double)> Near(Proposal p, FoundationReport report)
        {
            if (report.Design is not { } design)
            {
                return [];
            }

            // Of a mark made alike only the places that the new base takes go.
            var taken = p.Case.Stands.Select(s => (s.Foundation.Mark, s.Place.Name)).ToHashSet();
            var others = now.Where(n => n.Design is not null)
                .Select(
                    n =>
                        (Foundation: n.Foundation with
                        {
                            Places = [
                            .. n.Foundation.Places.Where(x => !taken.Contains((n.Foundation.Mark, x.Name)))]
                        }, n.Design!))
                .Where(n => n.Foundation.Places.Count > 0);

            // Without a mark it is not taken for one that is there.
            return [.. SitePlan.Near(others.Append((report.Foundation with { Mark = "" }, design)))
                .Where(n => n.First.Length == 0 || n.Second.Length == 0)
                .Select(n => (n.First + n.Second, n.Gap))];
        }
    }

    // Proposals none of which touches what another does, read and sized together.
    private static List<List<Proposal>> Rounds(List<Proposal> proposals)
    {
        var rounds = new List<(List<Proposal> Of, HashSet<string> Marks)>();
        foreach (var p in proposals)
        {
            var round = rounds.FirstOrDefault(r => !p.Case.Marks.Any(r.Marks.Contains));
            if (round.Of is null)
            {
                rounds.Add(round = ([], []));
            }

            round.Of.Add(p);
            round.Marks.UnionWith(p.Case.Marks);
        }

        return [.. rounds.Select(r => r.Of)];
    }

    private static Project? Read(LoadedProject loaded, List<Proposal> round, out string fault)
    {
        var text = string.Concat(round.Select(p => "\n" + string.Join('\n', Toml(p, loaded.Project.Units)) + "\n"));
        var bag = new DiagnosticBag();
        var read = ProjectReader.Read(loaded.Directory, bag,
            draft: new ProjectDraft(text, round.Count,
                round.SelectMany(p => p.Supports.Select(s => s.Label)).ToHashSet(StringComparer.Ordinal),
                [.. round.SelectMany(p => p.Case.Marks)]));
        fault = read is null ? bag.Sorted.First(d => d.Severity == Severity.Error).ToString() : "";
        return read?.Project;
    }

    private static double Cost(Project project, Foundation foundation, FoundationDesign design) =>
        foundation.Rules.Rates.Cost(Quantities.Of(project, foundation, design));
}
