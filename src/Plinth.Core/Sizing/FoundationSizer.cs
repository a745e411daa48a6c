using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;

namespace Plinth.Core.Sizing;

/// <summary>A design that passes, beside others.</summary>
/// <param name="Design">The design.</param>
/// <param name="Each">Its quantities.</param>
/// <param name="Cost">Its cost by the rates.</param>
/// <param name="BestIn">What it is the best in: "least plan", "least thickness", "least steel", "least concrete", "cheapest".</param>
public sealed record Alternative(FoundationDesign Design, Quantities Each, double Cost, IReadOnlyList<string> BestIn)
{
    /// <summary>Of designs those that are the best in something, with what it is; of equals the cheaper. Thinnest first.</summary>
    internal static IReadOnlyList<Alternative> Best(List<Alternative> found)
    {
        (string Name, Func<Alternative, double> By)[] aims =
        [
            ("least plan", d => d.Design.Area), ("least thickness", d => d.Design.Size.Thickness), ("least steel", d => d.Each.Steel),
            ("least concrete", d => d.Each.Concrete), ("cheapest", d => d.Cost),
        ];
        var best =
            aims.Select(a => (a.Name,
                Index: found.Count == 0 ? -1 : Enumerable.Range(0, found.Count).MinBy(i => (Math.Round(a.By(found[i]), 9), found[i].Cost))))
                .ToList();
        return [.. best.Where(b => b.Index >= 0)
            .GroupBy(b => b.Index)
            .Select(g => found[g.Key] with { BestIn = [.. g.Select(b => b.Name)] })
            .OrderBy(a => a.Design.Size.Thickness)
            .ThenBy(a => a.Design.Size.Length)];
    }
}

/// <summary>
/// Finds the sizes and bars of a foundation: the cheapest that passes. It has no formulas of its own: it only asks the checks.
/// </summary>
/// <param name="project">The project.</param>
/// <param name="foundation">The foundation.</param>
public abstract class FoundationSizer(Project project, Foundation foundation)
{
    /// <summary>The search that a foundation's kind makes.</summary>
    public static FoundationSizer Of(Project project, Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);

        // A row of a grid is sized for what it carries now; what it will carry is found when all rows are sized.
        return foundation.Kind.NewSizer(project, foundation.Row is { Shares: { } shares } row
            ? foundation with { Row = row with { Shares = shares.ForAny } }
            : foundation);
    }

    /// <summary>The project.</summary>
    protected Project Project { get; } = project;

    /// <summary>The foundation.</summary>
    protected Foundation Foundation { get; } = foundation;

    /// <summary>Why nothing is found where a load beside the columns lies on no base that may be.</summary>
    protected static SizingStop LoadsBeyond { get; } = new(null, null, null, 0,
        "a load of [[foundation.load]] lies beyond any base within [sizing] range and what is held; mend its place, or let the base be "
            + "larger", null);

    /// <summary>Finds the design: the cheapest that passes.</summary>
    /// <param name="check">Whether the design's checks are wanted with it.</param>
    public abstract SizingResult Size(bool check = false);

    /// <summary>What stops each next smaller step of a design.</summary>
    /// <param name="adopted">The design.</param>
    public abstract IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted);

    /// <summary>Passing designs side by side: the best in plan, thickness, steel, concrete and cost.</summary>
    /// <returns>Thinnest first; empty if none passes.</returns>
    public abstract IReadOnlyList<Alternative> Alternatives();

    /// <summary>Cost of a design of the foundation by its rates, in their currency.</summary>
    public double Cost(FoundationDesign design) => Foundation.Rules.Rates.Cost(Quantities.Of(Project, Foundation, design));

    /// <summary>The same where the bars in the base are known as they are cut.</summary>
    private protected double Cost(FoundationDesign design, IReadOnlyList<MatBars> mats) =>
        Foundation.Rules.Rates.Cost(Quantities.Of(Project, Foundation, design, mats));

    /// <summary>Gives back the room that the search took; it must not be used again.</summary>
    internal abstract void Release();
}
