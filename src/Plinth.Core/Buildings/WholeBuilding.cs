using Plinth.Core.Checks;
using Plinth.Core.Checks.OnGround;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;

namespace Plinth.Core.Buildings;

/// <summary>How differently two neighbouring bases settle.</summary>
/// <param name="First">Mark of one.</param>
/// <param name="FirstPlace">Its place.</param>
/// <param name="Second">Mark of the other.</param>
/// <param name="SecondPlace">Its place.</param>
/// <param name="Combination">Under which combination they differ most.</param>
/// <param name="FirstSettles">Settlement of one in it, m.</param>
/// <param name="SecondSettles">Settlement of the other in it, m.</param>
/// <param name="Distance">Between the columns, m.</param>
/// <param name="Most">Greatest angular distortion allowed.</param>
public sealed record Distortion(string First, string FirstPlace, string Second, string SecondPlace, string Combination, double FirstSettles,
    double SecondSettles, double Distance, double Most)
{
    /// <summary>Difference of settlement over distance.</summary>
    public double Ratio => Math.Abs(FirstSettles - SecondSettles) / Distance;

    /// <summary>Whether it is within what is allowed.</summary>
    public bool Passes => Ratio <= Most * (1 + 1e-9);
}

/// <summary>Two neighbouring bases at different levels of which the lower stands within the spread of the upper's load.</summary>
/// <param name="Upper">Mark of the upper.</param>
/// <param name="UpperPlace">Its place.</param>
/// <param name="Lower">Mark of the lower.</param>
/// <param name="LowerPlace">Its place.</param>
/// <param name="Step">Difference of their undersides, m.</param>
/// <param name="Gap">Clear distance in plan, m.</param>
/// <param name="Needed">Clear distance at which the spread passes the lower base, m.</param>
public sealed record FoundingStep(string Upper, string UpperPlace, string Lower, string LowerPlace, double Step, double Gap, double Needed);

/// <summary>
/// A tie between two neighbouring footings, where the ground asks for one under earthquakes (ASCE 7 12.13.5, ACI 318 18.13.3).
/// </summary>
/// <param name="First">Mark of one.</param>
/// <param name="FirstPlace">Its place.</param>
/// <param name="Second">Mark of the other.</param>
/// <param name="SecondPlace">Its place.</param>
/// <param name="Force">What it holds in tension and compression: 10 % of SDS times the larger column's factored dead and live load,
/// kN.</param>
public sealed record FootingTie(string First, string FirstPlace, string Second, string SecondPlace, double Force);

/// <summary>What is seen only when all bases of a building are looked at together.</summary>
/// <param name="Near">Bases that overlap or leave a small gap.</param>
/// <param name="Steps">Steps of founding level that are too steep.</param>
/// <param name="Distortions">Neighbours that settle differently, the worst first; empty where it is not checked.</param>
/// <param name="Covered">Share of the area between the supports that bases cover; null where the supports enclose none.</param>
public sealed record WholeBuilding(IReadOnlyList<NearBases> Near, IReadOnlyList<FoundingStep> Steps, IReadOnlyList<Distortion> Distortions,
    double? Covered)
{
    /// <summary>Share from which a raft may serve better.</summary>
    public const double MuchCovered = 0.5;

    /// <summary>
    /// Ties between neighbours in seismic design category D to F, the most loaded first; empty in others. They are named, not designed.
    /// </summary>
    public IReadOnlyList<FootingTie> Ties { get; init; } = [];

    /// <summary>Whether nothing of it fails.</summary>
    public bool Passes => !Near.Any(n => n.Overlaps) && Distortions.All(d => d.Passes);

    /// <summary>Looks at all bases together.</summary>
    /// <param name="project">The project.</param>
    /// <param name="bases">Foundations with their designs.</param>
    public static WholeBuilding Of(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> bases)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(bases);
        return new WholeBuilding(SitePlan.Near(bases), SitePlan.Steps(bases), FindDistortions(project, bases),
            Share(project, bases))
        { Ties = FindTies(project, bases) };
    }

    // Of the supports' convex hull.
    private static double? Share(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> bases)
    {
        var hull = ConvexPolygon.Hull(project.Supports.Select(s => new PlanPoint(s.X, s.Y)));
        var area = hull.Count < 3 ? 0 : PlanPolygon.DoubleArea(hull) / 2;
        return area > 1 ? bases.Sum(b => b.Foundation.Places.Count * b.Design.Area) / area : null;
    }

    private static List<Distortion> FindDistortions(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> bases)
    {
        if (!bases.Any(b => b.Foundation.Places.Any(p => p.Ground.MostDistortion is not null)))
        {
            return [];
        }

        var settled = bases.Where(b => b.Foundation.Kind.BearsOnGround)
            .SelectMany(b => Settlements(project, b.Foundation, b.Design))
            .ToList();
        var nearest = settled.Select((s, i) => Nearest(settled, i)).ToList();
        var result = new List<Distortion>();
        for (var i = 0; i < settled.Count; i++)
        {
            for (var j = i + 1; j < settled.Count; j++)
            {
                if (settled[i].Base != settled[j].Base && AreNeighbours(settled, nearest, i, j)
                    && Worst(settled[i], settled[j]) is { } worst)
                {
                    result.Add(worst);
                }
            }
        }

        return [.. result.OrderByDescending(d => d.Ratio / d.Most)
            .ThenBy(d => d.First, MarkOrder.Natural)
            .ThenBy(d => d.Second, MarkOrder.Natural)];
    }

    private static List<FootingTie> FindTies(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> bases)
    {
        if (project.Category is not (SeismicCategory.D or SeismicCategory.E or SeismicCategory.F) || project.Sds <= 0)
        {
            return [];
        }

        // The larger of the concrete's combinations without wind and earthquake.
        double Gravity(string support) => project.Combinations.Used.Where(c => c.IsFor(Family.Concrete) && !c.Transient)
            .Select(c => c.Terms.Where(t => project.Cases[t.Case].HasReactions).Sum(t => t.Factor * project.Actions[support][t.Case].N))
            .DefaultIfEmpty(0)
            .Max();
        var all =
            bases.SelectMany(
                b =>
                    b.Foundation.Places.SelectMany(
                        p => p.Supports.Select(s => new Settled(b.Foundation.Mark, p, s.Label, new PlanPoint(s.X, s.Y), null, []))))
                .ToList();
        var nearest = all.Select((_, i) => Nearest(all, i)).ToList();
        var loads = all.Select(a => Gravity(a.Place)).ToList();
        var grids = bases.ToDictionary(b => b.Foundation.Mark, b => b.Foundation.Row?.Grid, StringComparer.Ordinal);
        var result = new List<FootingTie>();
        for (var i = 0; i < all.Count; i++)
        {
            for (var j = i + 1; j < all.Count; j++)
            {
                var tied = grids[all[i].Mark] is { } grid && grid == grids[all[j].Mark];
                if (all[i].Base != all[j].Base && !tied && AreNeighbours(all, nearest, i, j))
                {
                    result.Add(new FootingTie(all[i].Mark, all[i].Place, all[j].Mark, all[j].Place,
                        0.1 * project.Sds * Math.Max(loads[i], loads[j])));
                }
            }
        }

        return [.. result.OrderByDescending(t => t.Force).ThenBy(t => t.First, MarkOrder.Natural).ThenBy(t => t.Second, MarkOrder.Natural)];
    }

    // Neighbours: no third support within the circle over the line between them (K. R. Gabriel, R. R. Sokal, Syst. Zool. 18 (1969)
    // 259–278).
    private static bool AreNeighbours(List<Settled> all, List<int[]> nearest, int i, int j)
    {
        var (a, b) = (all[i].At, all[j].At);
        var square = Square(a, b);
        var middle = new PlanPoint((a.X + b.X) / 2, (a.Y + b.Y) / 2);
        bool Between(int k) => k != i && k != j && Square(all[k].At, middle) < (square / 4) - 1e-9;

        // Far apart, one that is near to either lies between them as a rule: the others need not be looked at.
        return square >= 1e-6 && !Array.Exists(nearest[i], Between) && !Array.Exists(nearest[j], Between)
            && !Enumerable.Range(0, all.Count).Any(Between);
    }

    private static int[] Nearest(List<Settled> all, int i)
    {
        const int looked = 8;
        var queue = new PriorityQueue<int, double>();
        for (var k = 0; k < all.Count; k++)
        {
            if (k != i)
            {
                queue.Enqueue(k, -Square(all[k].At, all[i].At));
                if (queue.Count > looked)
                {
                    queue.Dequeue();
                }
            }
        }

        return [.. queue.UnorderedItems.OrderByDescending(x => x.Priority).Select(x => x.Element)];
    }

    private static double Square(PlanPoint a, PlanPoint b) => ((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y));

    private static Distortion? Worst(Settled a, Settled b)
    {
        var most = Math.Min(a.Most ?? double.PositiveInfinity, b.Most ?? double.PositiveInfinity);
        if (double.IsInfinity(most))
        {
            return null;
        }

        var distance = Math.Sqrt(Square(a.At, b.At));
        Distortion? worst = null;
        foreach (var (name, first) in a.ByCombination)
        {
            if (b.ByCombination.TryGetValue(name, out var second))
            {
                var d = new Distortion(a.Mark, a.Place, b.Mark, b.Place, name, first, second, distance, most);
                worst = worst is null || d.Ratio > worst.Ratio ? d : worst;
            }
        }

        return worst;
    }

    // With two waters the larger settlement of a combination counts.
    private static IEnumerable<Settled> Settlements(Project project, Foundation foundation, FoundationDesign design)
    {
        var checker = new Checker(project, foundation);
        checker.Set(design);
        foreach (var s in checker.Trials)
        {
            if (!Settlement.CanBeFound(s.Ground))
            {
                continue;
            }

            for (var i = 0; i < s.Place.Place.Supports.Count; i++)
            {
                var (support, bearer) = (s.Place.Place.Supports[i], s.Bearers[s.Bearers.Length > 1 ? i : 0]);
                yield return new Settled(foundation.Mark, s.Place.Place, support.Label, new PlanPoint(support.X, support.Y),
                    s.Ground.MostDistortion, ByCombination(s, bearer, i));
            }
        }
    }

    private static Dictionary<string, double> ByCombination(Bodies.Trial s, Bodies.GroundBody bearer, int column)
    {
        var none = default(NoTrace);
        var by = new Dictionary<string, double>(StringComparer.Ordinal);
        foreach (var k in s.CombinationsFor(Family.Settlement))
        {
            var name = s.Combinations[k].Name;
            by[name] = Math.Max(by.GetValueOrDefault(name), Of(k));
        }

        return by;

        // A base that bends settles at each column by itself.
        double Of(int k) => bearer.Loads(k).N <= 0 ? 0
            : bearer.Bed is null ? Settlement.Of(bearer, k, ref none)
            : bearer.Contact(k).State == ContactState.NoEquilibrium ? 0
            : ColumnDistortion.Settles(bearer, s.Columns[column], k, Bearing.Overburden(bearer, k, ref none));
    }

    private sealed record Settled(string Mark, Place Base, string Place, PlanPoint At, double? Most,
        Dictionary<string, double> ByCombination);
}
