using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// How caps are built alike: on like piles, where their columns stand alike; any may take another's design that passes its checks.
/// </summary>
internal sealed class CapTypes : TypesOfKind
{
    // Of a layout so many joined designs are enough.
    private const int MostJoined = 60;

    /// <inheritdoc/>
    public override bool MayShare(Foundation one, Foundation other)
    {
        ArgumentNullException.ThrowIfNull(one);
        ArgumentNullException.ThrowIfNull(other);
        var (a, b) = (one.Places[0].InOwnAxes(), other.Places[0].InOwnAxes());
        return one.Rules.Piles == other.Rules.Piles && a.Count == b.Count && a.Zip(b).All(p => Place.StandAlike(p.First, p.Second));
    }

    /// <inheritdoc/>
    public override FoundationDesign Under(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var (own, supports) = ((CapDesign)design, foundation.Places[0].Supports);
        return own with { At = [.. own.At.Select((a, i) => a with { Label = supports[i].Label })] };
    }

    /// <inheritdoc/>
    public override bool Joins => true;

    /// <inheritdoc/>
    /// <remarks>
    /// Of each layout every pitch with every thickness among its designs, with the densest bars and the longest piles of those that are no
    /// larger.
    /// </remarks>
    public override IReadOnlyList<FoundationDesign> Joined(Project project, Foundation first, IReadOnlyList<FoundationDesign> adopted)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(first);
        var none = default(Tracing.NoTrace);
        var (ratio, side) = (project.Code.MinimumSteelRatio(ref none, first.Rules.Concrete, first.Rules.Steel.Yield),
            first.Rules.Concrete.CoverSide);
        var result = new List<FoundationDesign>();
        foreach (var like in adopted.Cast<CapDesign>().GroupBy(d => (d.Layout, d.Turns, d.Offset, IsHexagon: d.ToEdge is not null)))
        {
            var plans = like.DistinctBy(d => (d.Pitch, d.Size.Length, d.Size.Width)).OrderBy(d => d.Area).ToList();
            var thicknesses = like.Select(d => d.Size.Thickness).Distinct().Order().ToList();
            var all =
                plans.SelectMany(
                    (p, i) => thicknesses.Select((h, j) => (Plan: p, H: h,
                        Off: Math.Abs(((double)i / plans.Count) - ((double)j / thicknesses.Count))))).OrderBy(c => c.Off).Take(MostJoined);
            foreach (var (plan, h, _) in all)
            {
                var size = plan.Size with { Thickness = h };
                var within =
                    like.Where(d => d.Pitch <= plan.Pitch + 1e-9 && d.Size.Length <= size.Length + 1e-9 && d.Size.Width <= size.Width + 1e-9
                        && d.Size.Thickness <= h + 1e-9).ToList();
                if (within.Count == 0)
                {
                    continue;
                }

                BarSpec Densest(Func<CapDesign, BarSpec> of, bool alongX) =>
                    JoinedBars.Densest(within.Select(d => (of(d), d.Size)), size, alongX, side, ratio);
                var joined = plan with
                {
                    Size = size,
                    BottomX = Densest(d => d.BottomX, true),
                    BottomY = Densest(d => d.BottomY, false),
                    TopX = Densest(d => d.TopX, true),
                    TopY = Densest(d => d.TopY, false),
                    PileLength = within.Max(d => d.PileLength),
                    At =
                    [
                        .. plan.At.Select((a, i) => a with
                        {
                            Upright = new Upright(within.Select(d => d.Under(i).Pedestal).MaxBy(p => p?.Area ?? 0),
                                within.Select(d => d.Under(i).Dowels).MaxBy(b => (b.Size?.Area ?? 0) * b.Count)!),
                        }),
                    ],
                };
                if (!adopted.Contains(joined) && !result.Contains(joined))
                {
                    result.Add(joined);
                }
            }
        }

        return result;
    }
}
