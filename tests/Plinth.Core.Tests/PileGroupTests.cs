using CsCheck;
using Plinth.Core.Contact;
using Plinth.Core.Piles;

namespace Plinth.Core.Tests;

/// <summary>Piles under a rigid cap: worked results, and properties over random groups.</summary>
public class PileGroupTests
{
    private static double[] Forces(PileGroup g, double n, double x, double y) =>
        [.. Enumerable.Range(0, g.Count).Select(i => g.Force(i, n, x, y))];

    private static PileGroup Group(params PlanPoint[] at)
    {
        var g = new PileGroup();
        g.Set(at);
        return g;
    }

    private static PileGroup Of(string layout, double pitch, int turns = 0) => Group([.. PileLayout.Find(layout)!.At(pitch, turns)]);

    private static void Are(double[] actual, params double[] expected)
    {
        actual.Should().HaveSameCount(expected);
        foreach (var (a, e) in actual.Zip(expected))
        {
            a.Should().BeApproximately(e, 0.051);
        }
    }

    [Fact]
    public void Three_piles_with_moments_both_ways()
    {
        var g = Of("3", 1.2);
        (g.SumXX, g.SumYY).Should().Be((0.72, g.SumYY));
        g.SumYY.Should().BeApproximately(0.72, 1e-12);
        Are(Forces(g, 1500, 90, 60), 396.1, 546.1, 557.7);
    }

    [Fact]
    public void Five_piles_whose_middle_one_knows_no_moment()
    {
        var g = Of("5", 1.2);
        g.SumXX.Should().BeApproximately(2.88, 1e-12);
        Are(Forces(g, 3000, 240, -150), 573.5, 714.9, 600.0, 485.1, 626.5);
    }

    [Fact]
    public void Six_piles_in_two_rows()
    {
        var g = Of("6", 1.2);
        (g.SumXX, g.SumYY).Should().Be((5.76, g.SumYY));
        Are(Forces(g, 4200, 300, 180), 587.5, 650.0, 712.5, 687.5, 750.0, 812.5);
    }

    [Fact]
    public void Irregular_group_whose_product_of_inertia_counts()
    {
        var g = new PileGroup();
        var centroid = g.Set([new(0, 0), new(1.5, 0), new(3, 0), new(0, 1.5), new(1.5, 1.8)]);
        centroid.X.Should().BeApproximately(1.2, 1e-12);
        centroid.Y.Should().BeApproximately(0.66, 1e-12);
        g.SumXX.Should().BeApproximately(6.3, 1e-12);
        g.SumXY.Should().BeApproximately(-1.26, 1e-12);
        g.SumYY.Should().BeApproximately(3.312, 1e-12);
        Are(Forces(g, 2500, 200, -100), 479.6, 521.3, 563.0, 450.1, 486.0);
    }

    [Fact]
    public void Efficiency_by_the_rule_of_Converse_and_Labarre()
    {
        PileEfficiency.ConverseLabarre(0.45, 1.35, 3, 4).Should().BeApproximately(0.7098, 5e-5);
        PileEfficiency.ConverseLabarre(0.40, 1.20, 2, 2).Should().BeApproximately(0.7952, 5e-5);
    }

    [Fact]
    public void Bending_of_a_long_shaft_by_the_load_across_its_head()
    {
        var stiffness = 25.743e6 * new PileRules { Size = 0.45 }.Inertia;
        new PileRules { Size = 0.45 }.Inertia.Should().BeApproximately(2.0129e-3, 5e-8);
        PileShaft.RisingLength(stiffness, 5000).Should().BeApproximately(1.5963, 5e-5);
        PileShaft.EvenFactor(stiffness, 20e3, 0.45).Should().BeApproximately(0.4565, 5e-5);
        double Moment(bool isFixed, double? rise, double? even) =>
            40 * PileShaft.MomentPerLoad(new PileRules { Size = 0.45, FixedHead = isFixed, ModulusRise = rise, Modulus = even }, stiffness);
        Moment(false, 5000, null).Should().BeApproximately(49.16, 0.012);
        Moment(true, 5000, null).Should().BeApproximately(59.38, 0.012);
        Moment(false, null, 20e3).Should().BeApproximately(28.04, 0.005);
        Moment(true, null, 20e3).Should().BeApproximately(43.81, 0.005);
        PileShaft.LeastLength(new PileRules { Size = 0.45, ModulusRise = 5000 }, stiffness).Should().BeApproximately(4 * 1.5963, 2e-4);
    }

    [Fact]
    public void Piles_out_of_place_answer_the_worst_direction()
    {
        var three = Of("3", 1.2);
        foreach (var i in Enumerable.Range(0, 3))
        {
            var g = three.Response(i);
            (1500 * 0.075 * Math.Sqrt((g.X * g.X) + (g.Y * g.Y))).Should().BeApproximately(108.3, 0.051);
        }

        var five = Of("5", 1.2);
        five.Response(2).Should().Be(new PlanPoint(0, 0));
        new PileRules().GroupDeviation(4).Should().BeApproximately(0.0375, 1e-12);
    }

    [Fact]
    public void Forces_balance_in_any_group()
    {
        Gen.Select(Gen.Double[-3, 3].Array[3, 14], Gen.Double[-3, 3].Array[14], Gen.Double[-5000, 5000], Gen.Double[-900, 900],
            Gen.Double[-900, 900]).Sample((xs, ys, n, x, y) =>
        {
            var g = Group([.. xs.Select((v, i) => new PlanPoint(v, ys[i]))]);
            if (g.Rank < 2)
            {
                return;
            }

            var forces = Forces(g, n, x, y);
            var scale = 1e-9 * (Math.Abs(n) + Math.Abs(x) + Math.Abs(y) + forces.Sum(Math.Abs) + 1);
            forces.Sum().Should().BeApproximately(n, scale);
            forces.Select((r, i) => r * g.At(i).X).Sum().Should().BeApproximately(x, 4 * scale);
            forces.Select((r, i) => r * g.At(i).Y).Sum().Should().BeApproximately(y, 4 * scale);
        });
    }

    [Fact]
    public void Turned_and_mirrored_groups_carry_alike()
    {
        Gen.Select(Gen.Int[2, 13].Select(i => PileLayout.Names.ElementAt(i)), Gen.Double[0.9, 2.4], Gen.Double[100, 5000],
            Gen.Double[-600, 600], Gen.Double[-600, 600]).Sample((name, pitch, n, x, y) =>
        {
            static double[] Sorted(double[] v) => [.. v.Order()];
            var as_drawn = Sorted(Forces(Of(name, pitch), n, x, y));
            var turned = Sorted(Forces(Of(name, pitch, 1), n, -y, x));
            var mirrored = Sorted(Forces(Group([.. PileLayout.Find(name)!.At(pitch, 0).Select(p => new PlanPoint(-p.X, p.Y))]), n, -x, y));
            for (var i = 0; i < as_drawn.Length; i++)
            {
                turned[i].Should().BeApproximately(as_drawn[i], 1e-9 * n);
                mirrored[i].Should().BeApproximately(as_drawn[i], 1e-9 * n);
            }
        });
    }

    [Fact]
    public void A_row_and_one_pile_tell_what_they_cannot_take()
    {
        var row = Of("2", 1.2);
        row.Rank.Should().Be(1);
        Are(Forces(row, 1000, 120, 50), 400, 600);
        row.Untaken(120, 50).Should().Be(new PlanPoint(0, 50));
        var slanted = Group(new(0, 0), new(1, 1));
        slanted.Rank.Should().Be(1);
        slanted.Untaken(100, 100).X.Should().BeApproximately(0, 1e-9);
        slanted.Untaken(100, -100).X.Should().BeApproximately(100, 1e-9);
        var one = Of("1", 1.2);
        one.Rank.Should().Be(0);
        Are(Forces(one, 700, 30, 40), 700);
        one.Untaken(30, 40).Should().Be(new PlanPoint(30, 40));
    }

    [Theory]
    [InlineData("1", 1)]
    [InlineData("7", 7)]
    [InlineData("8", 8)]
    [InlineData("10", 10)]
    [InlineData("11", 11)]
    [InlineData("13", 13)]
    [InlineData("16", 16)]
    [InlineData("3 x 5", 15)]
    public void Layouts_stand_about_their_centroid_at_their_pitch(string name, int count)
    {
        var at = PileLayout.Find(name)!.At(1.35, 0);
        at.Length.Should().Be(count);
        at.Sum(p => p.X).Should().BeApproximately(0, 1e-9);
        at.Sum(p => p.Y).Should().BeApproximately(0, 1e-9);
        if (count > 1)
        {
            PileLayout.Nearest(at.AsSpan()).Should().BeApproximately(1.35, 1e-9);
        }

        // Numbers run from −y, then from −x.
        at.Zip(at.Skip(1))
            .Should().OnlyContain(p => p.First.Y < p.Second.Y - 1e-6
                || (Math.Abs(p.First.Y - p.Second.Y) < 1e-6 && p.First.X < p.Second.X));
        PileLayout.Find("4 by 4").Should().BeNull();
        PileLayout.Find("13 x 2").Should().BeNull();
    }
}
