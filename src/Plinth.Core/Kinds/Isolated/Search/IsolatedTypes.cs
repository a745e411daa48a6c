using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>How isolated footings are built alike: any may take another's design that passes its checks.</summary>
internal sealed class IsolatedTypes : TypesOfKind
{
    // So many joined designs are enough: beyond, only those near the diagonal of plan and thickness are made.
    private const int MostJoined = 160;

    // So many plans beyond the largest.
    private const int StepsLarger = 4;

    /// <inheritdoc/>
    public override bool Joins => true;

    /// <inheritdoc/>
    /// <remarks>
    /// Every plan with every thickness among the designs, with the densest bars of those that are no larger; bases moved under their
    /// columns stand for themselves.
    /// </remarks>
    public override IReadOnlyList<FoundationDesign> Joined(Project project, Foundation first, IReadOnlyList<FoundationDesign> adopted)
    {
        var designs = adopted.Cast<IsolatedDesign>().Where(d => d.Size is { ShiftX: 0, ShiftY: 0 }).ToList();
        var plans = designs.Select(d => (d.Size.Length, d.Size.Width)).Distinct().OrderBy(p => p.Length * p.Width).ToList();
        var thicknesses = designs.Select(d => d.Size.Thickness).Distinct().Order().ToList();

        // The thickest on the largest plan may weigh too much for the ground: some steps larger.
        if (plans.Count > 0 && first.Rules.Sizing is var sizing)
        {
            var (length, width) = (plans.Max(p => p.Length), plans.Max(p => p.Width));
            double More(double side, int steps) =>
                Math.Max(side, Math.Min(Math.Round(side + (steps * sizing.PlanStep), 6), sizing.MostPlan));
            plans.AddRange(Enumerable.Range(0, StepsLarger)
                .Select(i => (More(length, i), More(width, i)))
                .Where(p => !plans.Contains(p))
                .ToList());
        }

        var all =
            plans.SelectMany(
                (p, i) => thicknesses.Select((h, j) => (Plan: p, H: h,
                    Off: Math.Abs(((double)i / plans.Count) - ((double)j / thicknesses.Count))))).OrderBy(c => c.Off).Take(MostJoined);
        var result = new List<FoundationDesign>();
        var none = default(Tracing.NoTrace);
        var ratio = project.Code.MinimumSteelRatio(ref none, first.Rules.Concrete, first.Rules.Steel.Yield);
        foreach (var (plan, h, _) in all)
        {
            var size = new BaseSize(plan.Length, plan.Width, h);
            var within =
                designs.Where(d => d.Size.Length <= plan.Length + 1e-9 && d.Size.Width <= plan.Width + 1e-9 && d.Size.Thickness <= h + 1e-9)
                    .ToList();
            if (within.Count == 0)
            {
                continue;
            }

            var side = first.Rules.Concrete.CoverSide;
            BarSpec Densest(Func<IsolatedDesign, BarSpec> of, bool alongX) =>
                JoinedBars.Densest(within.Select(d => (of(d), d.Size)), size, alongX, side, ratio);
            var upright = within.MaxBy(d => (d.Dowels.Size?.Area ?? 0) * d.Dowels.Count)!;
            var pedestal = within.Select(d => d.Pedestal).MaxBy(p => p?.Area ?? 0);
            var joined = new IsolatedDesign(size, Densest(d => d.BottomX, true), Densest(d => d.BottomY, false), Densest(d => d.TopX, true),
                Densest(d => d.TopY, false))
            { Dowels = upright.Dowels, Pedestal = pedestal };
            if (!adopted.Contains(joined) && !result.Contains(joined))
            {
                result.Add(joined);
            }
        }

        return result;
    }

    /// <inheritdoc/>
    /// <remarks>A base under the middle of its column has but its quarter turn, and a square one not that.</remarks>
    public override IEnumerable<Lie> Lies(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        var (size, pedestal) = (design.Size, design.Under(0).Pedestal);
        var square = size.Length == size.Width && (pedestal is null || pedestal.SizeX == pedestal.SizeY);
        return (size.ShiftX, size.ShiftY) switch
        {
            (0, 0) => Lie.All.Take(square ? 1 : 2),
            (0, _) or (_, 0) => Lie.All.Take(4),
            _ => Lie.All,
        };
    }

    /// <inheritdoc/>
    public override bool IsOffCentre(FoundationDesign design) => design.Size is { ShiftX: not 0 } or { ShiftY: not 0 };

    /// <inheritdoc/>
    public override double LeastArea(IReadOnlyList<Trial> trials, Foundation foundation, FoundationDesign design) =>
        PlanBound.LeastArea([.. trials.Cast<IsolatedTrial>()], foundation, design.Size.Thickness, design.Under(0).Pedestal);
}
