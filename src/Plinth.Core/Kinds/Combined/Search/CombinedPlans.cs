using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Combined;

/// <summary>A plan that a search may try.</summary>
/// <param name="Length">m.</param>
/// <param name="Low">Width at −x, m.</param>
/// <param name="High">Width at +x, m.</param>
/// <param name="Area">m2.</param>
internal readonly record struct CombinedPlan(double Length, double Low, double High, double Area);

/// <summary>
/// The plans of a base under several columns on the steps of sizing, and where each lies: its centroid as near under the resultant of the
/// sustained loads as edges, columns and site allow.
/// </summary>
internal sealed partial class CombinedPlans
{
    // Ends lie at whole parts of the plan's step from the first column: 10 mm of 50 mm, half an inch of 3 in.
    private const double MetricParts = 5;
    private const double InchParts = 6;

    // A trapezoid's one end is at most so many times the other: bars that fan out between them are to be neither too near at one nor too
    // far apart at the other.
    internal const double MostTaper = 2.5;

    // The ends of a trapezoid differ first by multiples of so much of the widest range, its length by such of the longest; then by a third
    // as much about the best, until by every step.
    private const int CoarseShare = 8;
    private const int CoarseLengths = 40;
    private const int Finer = 3;

    // Of every so many lengths one stands for the others at first.
    private const int SparseStep = 6;
    private const double FarApart = 0.5;

    private readonly Project project;
    private readonly Foundation foundation;
    private readonly ImmutableArray<CombinedTrial> trials;
    private readonly SizingRules rules;
    private readonly HeldValues held;
    private readonly Dictionary<(double, double, double), PlanPoint?> places = [];
    private readonly CombinedPlace[] columns;
    private readonly PlanPoint aim;
    private readonly CombinedPlan[]?[] families;
    private readonly int[] differences;
    private CombinedPlan[]? all;

    /// <summary>Prepares them.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="trials">A trial a place; what they hold is lost.</param>
    /// <param name="pedestal">The pedestal of a column; null: none.</param>
    public CombinedPlans(Project project, Foundation foundation, ImmutableArray<CombinedTrial> trials, Func<int, Pedestal?> pedestal)
    {
        (this.project, this.foundation, this.trials) = (project, foundation, trials);
        (rules, held) = (foundation.Rules.Sizing, foundation.Held);
        columns = [.. foundation.Places.Select(p => new CombinedPlace(p, pedestal))];
        aim = Aim();
        (HeldLength, HeldWidth) = (columns[0].HeldLength(held), columns[0].HeldWidth(held));
        var span = columns[0].Last.X - columns[0].First.X;
        Lengths = HeldLength is { } l
            ? [l]
            : foundation.Kind.OnSprings
            ? [.. PlanCandidates.Steps(columns.Max(c => c.HighX - c.LowX) - span, rules.MostPlan, rules.PlanStep).Select(e => span + e)]
            : PlanCandidates.Steps(columns.Max(c => c.HighX - c.LowX), (columns.Max(c => c.Last.X - c.First.X)) + rules.MostPlan,
                rules.PlanStep);
        Widths = HeldWidth is { } w
            ? [w]
            : PlanCandidates.Steps(Math.Max(rules.LeastPlan, columns.Max(c => c.HighY - c.LowY)), rules.MostPlan, rules.PlanStep);
        differences = Differences();
        families = new CombinedPlan[]?[Lengths.Length * differences.Length];
    }

    /// <summary>The length that is held, m; null: open.</summary>
    public double? HeldLength { get; }

    /// <summary>The width that is held, m; null: open.</summary>
    public double? HeldWidth { get; }

    /// <summary>Lengths on the steps, shortest first, m.</summary>
    public double[] Lengths { get; }

    /// <summary>Widths on the steps, narrowest first, m.</summary>
    public double[] Widths { get; }

    /// <summary>All plans by area.</summary>
    public CombinedPlan[] All => all ??= Sorted([.. Enumerable.Range(0, Families).SelectMany(Of).Distinct()]);

    /// <summary>How many families of plans there are: each a length, of trapezoids each a length and how much the ends differ.</summary>
    public int Families => families.Length;

    /// <summary>A few families that lie far apart.</summary>
    public IEnumerable<int> Sparse =>
        Coarse.Where(f => f % Lengths.Length / CoarseLength % SparseStep == 0 && differences[f / Lengths.Length] / CoarseStep % 3 == 0);

    /// <summary>
    /// The families of <see cref="Sparse"/> whose lengths lie beside that of one, of rectangles; null: it is one of them, or they lie so
    /// far apart that they tell nothing.
    /// </summary>
    /// <param name="family">Number of the family.</param>
    public (int Shorter, int Longer)? Beside(int family)
    {
        var shorter = family - (family % SparseStep);
        return held.Trapezoid || shorter == family || shorter + SparseStep >= Lengths.Length || SparseStep * rules.PlanStep > FarApart
            ? null : (shorter, shorter + SparseStep);
    }

    /// <summary>
    /// Families to look at before those about the best: all, but of trapezoids those of rounder lengths whose ends differ by rounder
    /// numbers of steps.
    /// </summary>
    public IEnumerable<int> Coarse =>
        Enumerable.Range(0, Families)
            .Where(f => differences[f / Lengths.Length] % CoarseStep == 0 && f % Lengths.Length % CoarseLength == 0);

    /// <summary>
    /// Families of trapezoids of every length whose ends differ by less round numbers of steps, for where none of <see cref="Coarse"/>
    /// passes; none of rectangles.
    /// </summary>
    public IEnumerable<int> Closer =>
        Coarse.Count() == Families
            ? []
            : Enumerable.Range(0, Families).Where(f => differences[f / Lengths.Length] % Math.Max(1, CoarseStep / Finer) == 0);

    /// <summary>How many times families of trapezoids are taken closer about the best.</summary>
    public int Levels => 1 + (int)Math.Ceiling((Math.Log(Math.Max(CoarseStep, CoarseLength)) / Math.Log(Finer)) - 1e-9);

    /// <summary>Families about a design: of like length, and of trapezoids of ends that differ about as much.</summary>
    /// <param name="design">The design.</param>
    /// <param name="level">From 1; in the last they lie a step apart.</param>
    public IEnumerable<int> About(CombinedDesign design, int level)
    {
        var own = Own(design);
        var ownDifference = (int)Math.Round((design.HighWidth - design.Size.Width) / rules.PlanStep);
        int Level(int coarse) => level >= Levels ? 1 : Math.Max(1, (int)(coarse / Math.Pow(Finer, level)));
        var (length, difference) = (Level(CoarseLength), Level(CoarseStep));
        for (var d = -Finer; d <= Finer; d++)
        {
            var at = Array.IndexOf(differences, ownDifference + (d * difference));
            for (var l = -Finer; l <= Finer && at >= 0; l++)
            {
                if (own + (l * length) is >= 0 and var n && n < Lengths.Length)
                {
                    yield return (at * Lengths.Length) + n;
                }
            }
        }
    }

    /// <summary>
    /// Families of trapezoids of a design's length, their ends of any difference: where a widest end is all there is, one may stand alone.
    /// </summary>
    /// <param name="design">The design.</param>
    public IEnumerable<int> Ends(CombinedDesign design) => OfLength(Own(design));

    /// <summary>All families where only one length may be; else none.</summary>
    public IEnumerable<int> OfHeldLength => Lengths.Length == 1 && held.Trapezoid ? OfLength(0) : [];

    private IEnumerable<int> OfLength(int length) => Enumerable.Range(0, differences.Length).Select(d => (d * Lengths.Length) + length);

    private int Own(CombinedDesign design) =>
        Array.FindIndex(Lengths, l => l > design.Size.Length - 1e-9) is >= 0 and var i ? i : Lengths.Length - 1;

    private int CoarseStep => Math.Max(1, (int)Math.Round((rules.MostPlan - rules.LeastPlan) / rules.PlanStep / CoarseShare));

    private int CoarseLength => held.Trapezoid ? Math.Max(1, Lengths.Length / CoarseLengths) : 1;

    // How much the +x end may be wider than the other, in steps.
    private int[] Differences()
    {
        if (!held.Trapezoid || (held.EndWidth is not null && held.Width is not null))
        {
            return [0];
        }

        var most = (int)Math.Floor(((rules.MostPlan - (rules.MostPlan / MostTaper)) / rules.PlanStep) + 1e-9);
        return [.. Enumerable.Range(-most, (2 * most) + 1).Where(d => d != 0)];
    }

    /// <summary>Those of a family, by area: made when they are asked for, as most of a wide range never are.</summary>
    /// <param name="family">Number of the family.</param>
    public CombinedPlan[] Of(int family)
    {
        if (families[family] is { } known)
        {
            return known;
        }

        var length = Lengths[family % Lengths.Length];
        CombinedPlan Plan(double low, double high) => new(length, low, high, length * (low + high) / 2);
        if (!held.Trapezoid)
        {
            return families[family] = [.. Widths.Select(w => Plan(w, w))];
        }

        if (held.EndWidth is { } high && held.Width is { } low)
        {
            return families[family] = [Plan(low, high)];
        }

        var found = new List<CombinedPlan>();
        for (var plan = Bound(family, 0); plan is { } p; plan = Bound(family, p.Area + (length * rules.PlanStep / 2)))
        {
            found.Add(p);
        }

        return families[family] = [.. found];
    }

    /// <summary>The least plan of a family that has an area, m2; null: the family has none so large.</summary>
    /// <param name="family">Number of the family.</param>
    /// <param name="area">m2.</param>
    public CombinedPlan? Bound(int family, double area)
    {
        var (length, difference) = (Lengths[family % Lengths.Length], differences[family / Lengths.Length]);
        if (!held.Trapezoid && HeldWidth is { } width)
        {
            return length * width >= area ? new CombinedPlan(length, width, width, length * width) : null;
        }

        if (held.Trapezoid && held.EndWidth is { } high && held.Width is { } low)
        {
            return length * (low + high) / 2 >= area ? new CombinedPlan(length, low, high, length * (low + high) / 2) : null;
        }

        var step = rules.PlanStep;
        var wider = Math.Abs(difference) * step;
        var end = Math.Max(rules.LeastPlan, Math.Max(wider / (MostTaper - 1), (area / length) - (wider / 2)));
        end = Math.Round(Math.Ceiling((end / step) - 1e-6) * step, 6);
        var other = Math.Round(end + wider, 6);
        var plan = difference >= 0
            ? new CombinedPlan(length, end, other, length * (end + other) / 2)
            : new CombinedPlan(length, other, end, length * (end + other) / 2);
        return other <= rules.MostPlan + 1e-9 ? plan : null;
    }

    private static CombinedPlan[] Sorted(CombinedPlan[] plans)
    {
        // Of equal areas the shorter first.
        Array.Sort(plans,
            (a, b) => Math.Round(a.Area, 9).CompareTo(Math.Round(b.Area, 9)) is not 0 and var by ? by
                : a.Length.CompareTo(b.Length) is not 0 and var l ? l
                : a.Low.CompareTo(b.Low));
        return plans;
    }

    /// <summary>Number of the first plan that has an area, m2.</summary>
    public int FirstOf(double area)
    {
        var (low, high) = (0, All.Length);
        while (low < high)
        {
            var middle = (low + high) / 2;
            (low, high) = All[middle].Area >= area ? (low, middle) : (middle + 1, high);
        }

        return low;
    }

    /// <summary>A design of a plan without bars.</summary>
    public CombinedDesign Design(in CombinedPlan plan, double thickness, in PlanPoint offset) =>
        (CombinedDesign)foundation.Kind.Fitted(foundation, foundation.Kind.Blank(
            [.. foundation.Places[0].Supports.Select(s => s.Label)])) with
        {
            Size = new BaseSize(plan.Length, plan.Low, thickness),
            HighWidth = plan.High,
            Offset = offset
        };
}
