using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Checks;

/// <summary>What is not checked, said in every output: with what the project must state for it, where anything can be stated.</summary>
public static class NotChecked
{
    private const string Splice = "column-splice";
    private const string Seismic = "seismic-detailing";
    private const string PartialLive = "partial-live";

    /// <summary>Ids of what is never checked, whatever is stated.</summary>
    public static IReadOnlyList<string> Never { get; } = ["anchor-rods", "base-plate", "tilt"];

    /// <summary>Ids of what is not checked in some projects, and when.</summary>
    public static IReadOnlyList<(string Id, string When)> Sometimes { get; } =
    [
        (Splice, "the column's side of the lap with its dowels, where `[column] bars` is not given"),
        (Seismic, "detailing for earthquakes, where there are E cases and `[seismic] category` is not given"),
        ("overstrength", "combinations with overstrength (ASCE 7 12.4.3), where there are E cases; write them as own combinations"),
        ("torsion", "moments about the vertical, where there are any"),
        (PartialLive,
            "live load on some of the columns of a foundation alone (ASCE 7 4.3.3, EN 1991-1-1 6.2), where several stand on it, `[loads] "
                + "partial-live` is not true and no L or Q cases exclude each other by `alternatives`"),
        ("level-before",
            "the ground's level before filling or digging, where bearing is net and `[ground] level-before` is not given: the overburden "
                + "is then taken from the finished ground"),
    ];

    /// <summary>What is not checked of a foundation.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    public static IReadOnlyList<(string Id, string? Missing)> Of(Project project, Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        var list = new List<(string, string?)>();
        list.AddRange(foundation.Kind.Checks(project.Code).Listed.Select(c => (c.Id, c.Definition.Missing(foundation)))
            .Where(c => c.Item2 is not null));
        var (rules, places) = (foundation.Rules, foundation.Places);
        if (rules.Column is { Known: true, Bars: null } && foundation.Supports.Any(s => s.IsConcrete && !rules.Pedestal.HoldsInSocket(s)))
        {
            list.Add((Splice, "give [column] bars"));
        }

        if (project.Cases.Any(c => c.Symbol == LoadSymbol.E))
        {
            if (project.Category is null)
            {
                list.Add((Seismic, "give [seismic] category"));
            }

            list.Add(("overstrength", null));
        }

        if (!foundation.Kind.CarriesTorsion && foundation.Supports.Any(s => project.Actions[s.Label].Any(a => a.Mz != 0)))
        {
            list.Add(("torsion", null));
        }

        var live = project.Cases.Where(c => c is { Symbol: LoadSymbol.L or LoadSymbol.Q, HasReactions: true }).ToList();
        if (!project.PartialLive && places[0].Supports.Count > 1 && live.Count > 0 && live.TrueForAll(c => c.Alternatives is null))
        {
            list.Add((PartialLive, live[0].Symbol == LoadSymbol.L
                ? "give [loads] partial-live = true"
                : "give what parts of the floors bring as Q cases with alternatives"));
        }

        if (foundation.Kind.BearsOnGround && places.Any(p => p.Ground is { Basis: BearingBasis.Net, LevelBefore: null }))
        {
            list.Add(("level-before", "give [ground] level-before"));
        }

        list.AddRange(foundation.Kind.NeverChecked.Select(id => (id, (string?)null)));
        list.AddRange(Never.Select(id => (id, (string?)null)));
        return list;
    }
}
