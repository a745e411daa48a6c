using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Kinds.PileCap;
using Plinth.Core.Tracing;

namespace Plinth.Core.Tests;

/// <summary>What a search leaves out unseen: the bounds of utilisation hold whichever bars are laid, and in thinner caps.</summary>
public class CapBoundTests
{
    private static readonly (string Size, int Most)[] Bars = [("T12", 22), ("T16", 18), ("T20", 14), ("T25", 10), ("T32", 8)];

    private static readonly Gen<(PileCapPropertyTests.CapCase Cap, int[] Picks, double Share)> Some =
        Gen.Select(Gen.OneOf(PileCapPropertyTests.Some, PileCapPropertyTests.Hexagons), Gen.Int[0, 4].Array[2], Gen.Double[0.3, 1]);

    private static BarLayer Layer(int size, double share) =>
        Given.Bars($"{Math.Max(2, (int)(share * Bars[size].Most))} {Bars[size].Size}").Resolve(1, 0.05);

    private static BarRange Range(CapTrial t, double thinner)
    {
        MostBars[] most = [.. Bars.Select((b, i) => new MostBars((Layer(i, 1).Diameter - Layer(0, 1).Diameter) / 2, Layer(i, 1)))];
        return new BarRange(most, most, t.OuterIsX) { Thinner = thinner };
    }

    private static CapTrial Thinnest(PileCapPropertyTests.CapCase g)
    {
        var t = PileCapPropertyTests.Trial(g);
        t.Looking = Face.Bottom;
        t.Take(new Reinforcement(Layer(0, 1), Layer(0, 1), default, default));
        return t;
    }

    // The bounds, and what is found where they are asked: shear along both axes, the strut of each pile.
    private static double[] Bounds(CapTrial t, int k, double thinner)
    {
        var range = Range(t, thinner);
        var list = new List<double> { CapShear<AxisX>.LowerBound(t.CapSpans(true)[0], range, k),
            CapShear<AxisY>.LowerBound(t.CapSpans(false)[0], range, k) };
        foreach (var p in t.Piles)
        {
            list.Add(CapStrutCheck.LowerBound(p, range, k));
        }

        return [.. list];
    }

    private static Outcome[] Found(CapTrial t, int k)
    {
        var (none, x, y) = (default(NoTrace), t.CapSpans(true)[0], t.CapSpans(false)[0]);
        var list = new List<Outcome> { CapShear<AxisX>.Evaluate(x, CapShear<AxisX>.Capacity(x), k, ref none),
            CapShear<AxisY>.Evaluate(y, CapShear<AxisY>.Capacity(y), k, ref none) };
        foreach (var p in t.Piles)
        {
            list.Add(CapStrutCheck.Evaluate(p, default, k, ref none));
        }

        return [.. list];
    }

    private static int Hold(PileCapPropertyTests.CapCase g, int[] picks, double share, double thinner)
    {
        var (thick, thin) = (Thinnest(g), PileCapPropertyTests.Trial(g with { Thickness = g.Thickness - thinner }));
        thin.Looking = Face.Bottom;
        thin.Take(new Reinforcement(Layer(picks[0], share), Layer(picks[1], 1), default, default));
        var told = 0;
        for (var k = 0; k < thick.Combinations.Length; k++)
        {
            var (bounds, found) = (Bounds(thick, k, thinner), Found(thin, k));
            for (var i = 0; i < bounds.Length; i++)
            {
                told += bounds[i] > 0 ? 1 : 0;
                if (bounds[i] > 0 && !found[i].FailsAnyhow)
                {
                    var (o, what) = (found[i], $"{g}, {thick.Combinations[k].Name}, {(i == 0 ? "x" : i == 1 ? "y" : $"pile {i - 1}")}");
                    (o.Done && !o.Shown ? o.Utilisation : 0).Should().BeGreaterThanOrEqualTo(bounds[i] - 1e-9, what);
                }
            }
        }

        return told;
    }

    [Fact]
    public void No_bars_make_a_cap_better_than_its_bound()
    {
        var told = 0;
        Some.Sample(s => Interlocked.Add(ref told, Hold(s.Cap, s.Picks, s.Share, 0)), iter: 400);
        told.Should().BeGreaterThan(1000);
    }

    [Fact]
    public void No_thinner_cap_is_better_than_the_bound_of_a_thicker_one()
    {
        var told = 0;
        Some.Sample(s => Interlocked.Add(ref told, Hold(s.Cap with { Thickness = s.Cap.Thickness + 0.3 }, s.Picks, s.Share, 0.3)),
            iter: 400);
        told.Should().BeGreaterThan(1000);
    }

    [Fact]
    public void The_bound_with_one_size_is_what_is_found_with_it() => PileCapPropertyTests.Some.Sample(
        g =>
        {
            var t = Thinnest(g with { Two = false, Fixed = false });
            MostBars[] one = [new MostBars(0, Layer(0, 1))];
            var none = default(NoTrace);
            var s = t.CapSpans(true)[0];
            for (var k = 0; k < t.Combinations.Length; k++)
            {
                var bound = CapShear<AxisX>.LowerBound(s, new BarRange(one, one, t.OuterIsX), k);
                var found = CapShear<AxisX>.Evaluate(s, CapShear<AxisX>.Capacity(s), k, ref none);

                // Else the section at the face of a pile near by governs.
                if (bound > 0 && !s.HasPileWithin(1, s.Depth(true)) && !s.HasPileWithin(-1, s.Depth(true)))
                {
                    bound.Should().BeApproximately(found.Utilisation, 1e-9);
                }
            }
        },
        iter: 100);
}
