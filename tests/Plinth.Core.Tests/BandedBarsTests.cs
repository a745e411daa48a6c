using CsCheck;
using Plinth.Core.Concrete;

namespace Plinth.Core.Tests;

/// <summary>Where the bars of a banded layer lie: over one band of a footing, over several of a cap.</summary>
public class BandedBarsTests
{
    private static BarLayer Layer(int inBand, int beside) => new(inBand + beside, Given.Sizes("T16")[0]) { Band = inBand };

    // By hand: a cap 3.0 m wide, rows at ±1.05 m, bands of 0.8 m cut by the cover at the outer side.
    [Fact]
    public void Bars_over_two_rows_end_at_the_cover_and_leave_half_a_distance_inside()
    {
        var strips = BandedBars.Strips(1.4, [(-1.45, -0.65), (0.65, 1.45)]);
        strips.Select(s => (Math.Round(s.From, 9), Math.Round(s.To, 9), s.InBand)).Should()
            .Equal((-1.4, -0.65, true), (-0.65, 0.65, false), (0.65, 1.4, true));

        // Six to a band: 0.75/5.5; three between: 1.3/3.
        BandedBars.At(Layer(12, 3), strips)!.Select(at => Math.Round(at, 4)).Should()
            .Equal(-1.4, -1.2636, -1.1273, -0.9909, -0.8545, -0.7182, -0.4333, 0, 0.4333, 0.7182, 0.8545, 0.9909, 1.1273, 1.2636, 1.4);
        BandedBars.Parts(Layer(12, 3), strips)!.Select(p => (p.Bars, Math.Round(p.Spacing, 4))).Should()
            .Equal((6, 0.1364), (3, 0.4333), (6, 0.1364));
        BandedBars.Share(strips, true, 11).Should().Equal(6, 0, 6);
        BandedBars.Fault(Layer(11, 3), strips).Should().Be(
            "11 bars in bands and 3 beside them do not share alike over 2 and 1 strips; write for example { band = \"12 T16\", rest = "
                + "\"3 T16\" }");
    }

    // The middle row's band, wider than those at the edges, takes more at one distance: 0.5 wide six times 0.1, 0.3 with one at its end.
    [Fact]
    public void A_wider_band_takes_more_bars()
    {
        var strips = BandedBars.Strips(1.0, [(-1.3, -0.7), (-0.25, 0.25), (0.7, 1.3)]);
        BandedBars.Share(strips, true, 10).Should().Equal(3, 0, 4, 0, 3);
        BandedBars.Share(strips, false, 2).Should().Equal(0, 1, 0, 1, 0);
    }

    [Fact]
    public void Bands_that_touch_are_one_and_across_everything_there_is_nothing_beside()
    {
        BandedBars.Strips(1, [(0.1, 0.6), (-0.5, 0.2)]).Select(s => (s.From, s.To, s.InBand)).Should()
            .Equal((-1, -0.5, false), (-0.5, 0.6, true), (0.6, 1, false));
        var whole = BandedBars.Strips(1, [(-2, 0.2), (0.1, 3)]);
        whole.Should().ContainSingle().Which.Ends.Should().Be(2);
        BandedBars.At(Layer(5, 0), whole).Should().Equal(-1, -0.5, 0, 0.5, 1);
        BandedBars.Fault(Layer(9, 4), whole).Should().Contain("nothing beside the bands for 4 bars").And.Contain("\"13 T16\"");
        BandedBars.Fault(Layer(9, 0), whole).Should().BeNull();
        BandedBars.Fault(new BarLayer(9, Given.Sizes("T16")[0]), whole).Should().BeNull("it is not banded");
    }

    private static readonly Gen<(double Half, (double, double)[] Bands, int InBand, int Beside)> Some =
        Gen.Select(Gen.Double[0.5, 3], Gen.Select(Gen.Double[-3, 3], Gen.Double[0.1, 1.5], (at, w) => (at - w, at + w)).Array[1, 4],
            Gen.Int[2, 40], Gen.Int[0, 20]);

    [Fact]
    public void Strips_part_the_breadth_and_what_shares_lies_in_order_within_them() => Some.Sample((half, bands, inBand, beside) =>
    {
        var strips = BandedBars.Strips(half, bands);
        strips.Sum(s => s.Breadth).Should().BeApproximately(2 * half, 1e-5);
        strips.Zip(strips.Skip(1)).Should().OnlyContain(p => p.First.InBand != p.Second.InBand && p.First.To <= p.Second.From + 1e-5);
        foreach (var s in strips)
        {
            var middle = (s.From + s.To) / 2;
            Array.Exists(bands, b => b.Item1 <= middle && middle <= b.Item2).Should().Be(s.InBand);
        }

        var layer = Layer(BandedBars.Share(strips, true, inBand).Sum(), BandedBars.Share(strips, false, beside).Sum());
        if (layer.Band == 0)
        {
            return;
        }

        layer.Band.Should().BeGreaterThanOrEqualTo(inBand);
        var (at, parts) = (BandedBars.At(layer, strips)!, BandedBars.Parts(layer, strips)!);
        at.Should().HaveCount(layer.Count).And.BeInAscendingOrder();
        at.Should().OnlyContain(x => Math.Abs(x) <= half + 1e-9);
        at.Count(x => strips.Any(s => s.InBand && x > s.From - 1e-9 && x < s.To + 1e-9)).Should().BeGreaterThanOrEqualTo(layer.Band);

        // No strip could do with one less at the widest distance that any has.
        foreach (var of in new[] { true, false })
        {
            var own = parts.Where(p => p.Strip.InBand == of && p.Bars > 0).ToList();
            own.Should().OnlyContain(p => p.Bars == p.Strip.Bars(own.Max(o => o.Spacing)) || p.Bars == 1 + (p.Strip.Ends / 2));
        }
    });

    [Fact]
    public void A_share_is_the_least_that_is_enough() => Some.Sample((half, bands, inBand, _) =>
    {
        var strips = BandedBars.Strips(half, bands);
        var found = BandedBars.Share(strips, true, inBand).Sum();
        for (var n = inBand; n < found; n++)
        {
            BandedBars.Share(strips, true, n).Sum().Should().Be(found, "what does not share alike is raised to what does");
        }
    });
}
