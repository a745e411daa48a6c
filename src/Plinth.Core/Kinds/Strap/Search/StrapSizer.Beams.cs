using Plinth.Core.Concrete;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strap;

/// <content>The beam on bases in hand, and its widths and depths.</content>
internal sealed partial class StrapSizer
{
    // The cheapest beam on bases in hand by shears and moments as they are there: what a beam weighs itself changes them little, and the
    // whole is asked again. Sizes are tried by the cost that they have at least.
    private StrapDesign? Beam(StrapDesign design, double? width, int every, double limit)
    {
        if (!SetPlan(design))
        {
            return null;
        }

        (StrapDesign Design, double Cost)? best = null;
        var (small, wide, left) = (new List<(double Width, double Depth)>(), new List<(double Width, double Depth)>(),
            new List<(double Width, double Depth)>());
        var passed = 0;
        foreach (var (size, likely) in Sizes(design, width, every))
        {
            if (passed >= Likely || likely >= (best?.Cost ?? limit) - 1e-6)
            {
                break;
            }

            if (small.Exists(s => size.Width <= s.Width && size.Depth <= s.Depth)
                || wide.Exists(s => size.Width >= s.Width && size.Depth <= s.Depth))
            {
                left.Add(size);
                continue;
            }

            Try(size);
        }

        foreach (var size in best is null ? left : [])
        {
            Try(size);
        }

        return best?.Design;

        void Try((double Width, double Depth) size)
        {
            foreach (var t in trials)
            {
                t.Suppose(size.Width, size.Depth);
            }

            if (beams.Find(design.Beam with { Width = size.Width, Depth = size.Depth }) is not { } found)
            {
                failure = beams.LastFailure ?? failure;
                if (beams.WasTooSmall)
                {
                    small.Add(size);
                }
                else if (beams.WasTooWide)
                {
                    wide.Add(size);
                }

                return;
            }

            passed++;
            var made = design.With(design.Edge, design.Inner, found);
            var cost = Cost(made);
            if (cost < (best?.Cost ?? limit) - 1e-6)
            {
                best = (made, cost);
            }
        }
    }

    // Widths and depths of beams on bases in hand with what they are likely to cost, the least first: concrete and forms, which grow with
    // both, bars for the greatest moments, and stirrups half a depth apart.
    private IReadOnlyList<((double Width, double Depth) Size, double Cost)> Sizes(StrapDesign design, double? width, int every)
    {
        var (top, bottom) = (0.0, 0.0);
        foreach (var t in trials)
        {
            foreach (var k in t.CombinationsFor(Loads.Family.Concrete))
            {
                (bottom, top) = (Math.Max(bottom, t.Beam.Greatest(k, true).Moment), Math.Max(top, -t.Beam.Greatest(k, false).Moment));
            }
        }

        var from = DepthFrom(Math.Max(design.Edge.Thickness, design.Inner.Thickness) - design.Beam.Gap);
        double[] widths = (width ?? Held(2, "width")) is { } held ? [held]
            : [.. Widths(DepthFrom(LeastBeamWidth), every).Where(w => w <= design.Edge.Width + 1e-9)];
        var depths = Depths(from).Where((_, i) => i % every == 0).ToArray();
        if (widths.Length == 0 || depths.Length == 0)
        {
            return [];
        }

        double At(double w, double d) => Cost(Beamless(design.With(design.Edge, design.Inner, design.Beam with { Width = w, Depth = d })));
        var (w0, w1, d0, d1) = (widths[0], widths[^1], depths[0], depths[^1]);
        var (c00, c01, c10, c11) = (At(w0, d0), At(w0, d1), At(w1, d0), At(w1, d1));
        var (concrete, yield, span) = (Foundation.Rules.Concrete, Foundation.Rules.Steel.Yield, trials[0].Beam.High - trials[0].Beam.Low);
        var tie = beams.Ties().First().Area;
        var perArea = Foundation.Rules.Rates.Steel * SteelDensity * (span - (2 * concrete.CoverSide));
        var list = new List<((double, double), double)>(widths.Length * depths.Length);
        foreach (var w in widths)
        {
            foreach (var d in depths)
            {
                var (u, v) = (w1 > w0 ? (w - w0) / (w1 - w0) : 0, d1 > d0 ? (d - d0) / (d1 - d0) : 0);
                var plain = (c00 * (1 - u) * (1 - v)) + (c01 * (1 - u) * v) + (c10 * u * (1 - v)) + (c11 * u * v);
                var steel = (bottom / (Arm * yield * (d - concrete.CoverBottom))) + (top / (Arm * yield * (d - concrete.CoverTop)));
                var ties = 4 * (w + d - (2 * (concrete.CoverSide + concrete.CoverTop))) / d * tie;
                list.Add(((w, d), plain + (perArea * (steel + ties))));
            }
        }

        return [.. list.OrderBy(l => l.Item2)];
    }

    // kg/m3.
    private const double SteelDensity = 7850;

    // Of a beam's depth to its bars, with the share of their strength that codes count on.
    private const double Arm = 0.8;

    // While bases are sought beams are tried about so far apart in width and depth, m, and at every step on those found.
    private const double Apart = 0.1;

    private int Coarse => Math.Max(1, (int)Math.Round(Apart / rules.ThicknessStep));

    // So many of the likeliest sizes that pass are looked at.
    private const int Likely = 8;

    // Without any steel, and without that of the beam.
    private static StrapDesign Unbarred(StrapDesign d) => d.With(
        d.Edge with { BottomX = BarSpec.None, BottomY = BarSpec.None, TopX = BarSpec.None, TopY = BarSpec.None },
        d.Inner with { BottomX = BarSpec.None, BottomY = BarSpec.None, TopX = BarSpec.None, TopY = BarSpec.None }, Beamless(d).Beam);

    private static StrapDesign Beamless(StrapDesign d) => d.With(d.Edge, d.Inner,
        d.Beam with { Top = BarSpec.None, Bottom = BarSpec.None, Stirrups = BarSpec.None, Sides = BarSpec.None });

    // The bases with the cheapest beam on them.
    private (StrapDesign Design, double Cost) Rebeamed((StrapDesign Design, double Cost) best)
    {
        if (Beam(best.Design, null, 1, best.Cost) is { } other && Completed(other) is { } made && made.Cost < best.Cost - 1e-6)
        {
            steps.Add(new SizingStep("cheaper", made.Design.Size));
            return made;
        }

        return best;
    }

    // Widths of a beam from one on, so many steps apart.
    private IEnumerable<double> Widths(double from, int every)
    {
        for (var w = from; w <= Math.Max(from, WidestBeam) + 1e-9; w = Math.Round(w + (every * rules.ThicknessStep), 6))
        {
            yield return w;
        }
    }

    private double[] Depths(double from) => Held(2, "depth") is { } held
        ? [held]
        : PlanCandidates.Steps(from, Math.Max(from, 2 * rules.MostThickness), rules.ThicknessStep);

    // The beam reaches at least to the top of the thicker base.
    private double DepthFrom(double least) => Math.Round(Math.Ceiling((least / rules.ThicknessStep) - 1e-9) * rules.ThicknessStep, 6);

    private static double DefaultGap => 0.1;

    // As wide as the edge column on whole steps, no narrower than a beam that can be built.
    private double BeamWidth()
    {
        var least = Math.Max(LeastBeamWidth, trials.Min(t =>
            Math.Min(t.Columns[0].Loaded.Outline.FaceY, t.Columns[1].Loaded.Outline.FaceY)));
        return DepthFrom(least);
    }
}
