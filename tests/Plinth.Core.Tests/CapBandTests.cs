using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.PileCap;
using Plinth.Core.Piles;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Bottom bars that lie closer over the piles of a cap.</summary>
public class CapBandTests
{
    // The shallow four-pile cap: rows at ±0.9, d 0.515 along x, so bands from 0.185 to the cover at 1.165 on both sides, 0.37 between.
    private static CheckResult Of(string bars, string id)
    {
        var project = PileCapTests.Project(PileCapTests.Weightless(0.075), "aci318m-14", (0, 0.4, 0.4, new(1600, 0, 0, 0, 120, 0)));
        var checker = new Checker(project, project.Foundations[0]);
        return checker.Check(PileCapTests.Design("4", 1.8, 2.5, 2.5, 0.6, bars)).Of(id);
    }

    [Fact]
    public void Bending_counts_all_bars_and_a_tie_those_in_the_bands_where_others_lie_far()
    {
        foreach (var id in new[] { "flexure-bottom-x", "one-way-shear-x", "two-way-shear" })
        {
            Of("10 + 2 T20 banded", id).Outcome.Should().Be(Of("12 T20", id).Outcome, id);
        }

        // Five over 0.98 with one at the edge: 0.2178; 0.185 between; 0.2014 from one to the other: all tie. 12·314.2·420·0.75.
        Of("10 + 2 T20 banded", "bar-spacing-x").Outcome.Demand.Should().BeApproximately(0.98 / 4.5, 1e-9);
        Of("10 + 2 T20 banded", "tie-x").Outcome.Capacity.Should().BeApproximately(1187.5, 0.1);

        // Four: 0.28, and 0.14 + 0.185 to the one between: over 12 in, eight tie.
        Of("8 + 1 T20 banded", "bar-spacing-x").Outcome.Demand.Should().BeApproximately((0.98 / 3.5 / 2) + 0.185, 1e-9);
        Of("8 + 1 T20 banded", "tie-x").Outcome.Capacity.Should().BeApproximately(791.7, 0.1);
    }

    [Fact]
    public void Between_the_bands_the_least_steel_is_asked_of_its_own()
    {
        // 0.0018·600·370 = 399.6 mm2 of 314.2; with two of 628.3 the whole governs: 2700 of 12·314.2.
        Of("8 + 1 T20 banded", "minimum-steel-x").Outcome.Utilisation.Should().BeApproximately(1.272, 5e-4);
        Of("10 + 2 T20 banded", "minimum-steel-x").Outcome.Utilisation.Should().BeApproximately(0.7162, 5e-4);
        Of("12 T20 banded", "minimum-steel-x").Passes.Should().BeFalse();
    }

    // Whichever governs, the last line of the trace is what the check says.
    [Theory]
    [InlineData("8 + 1 T20 banded")]
    [InlineData("10 + 2 T20 banded")]
    public void The_trace_of_least_steel_ends_with_what_governs(string bars)
    {
        var project = PileCapTests.Project(PileCapTests.Weightless(0.075), "aci318m-14", (0, 0.4, 0.4, new(1600, 0, 0, 0, 120, 0)));
        var checker = new Checker(project, project.Foundations[0]);
        var design = PileCapTests.Design("4", 1.8, 2.5, 2.5, 0.6, bars);
        var told = checker.Trace(design, "minimum-steel-x", null, null)!.Value.Steps.Last(s => s.Symbol == "utilisation").Value;
        told.Should().Be(checker.Check(design).Of("minimum-steel-x").Outcome.Utilisation);
    }

    private static (Project Project, FoundationDesign? Design) Sized(double n, double mx, double pitch, string layout, bool banded)
    {
        var piles = new PileRules { Size = 0.4, Compression = 900, Tension = 200, Lateral = 60, Layouts = [layout] };
        var rules = PileCapTests.Weightless(0.075, piles with { Pitch = pitch, Banded = banded }) with
        {
            Steel = DefaultSteel with { BothWaysAlike = AlikeBars.Never },
        };
        rules = rules with { Ground = rules.Ground with { FoundingDepth = 1.5 } };
        var project = PileCapTests.Project(rules, "aci318m-19", (0, 0.5, 0.5, new(n, 0, 0, mx, 0, 0)));
        return (project, FoundationSizer.Of(project, project.Foundations[0]).Size().Design);
    }

    [Fact]
    public void What_is_found_passes_with_the_least_between_its_bands() =>
        Gen.Select(Gen.Double[600, 2800], Gen.Double[-60, 60], Gen.Double[3, 6], Gen.Int[0, 2]).Sample(
            (n, mx, pitch, pick) =>
            {
                var layout = ((string[])["4", "5", "6"])[pick];
                var (project, found) = Sized(n, mx, pitch, layout, true);
                var even = (CapDesign?)Sized(n, mx, pitch, layout, false).Design;
                if (found is not CapDesign d)
                {
                    even.Should().BeNull("what stands evenly stands with bands");
                    return;
                }

                (d.Area * d.Size.Thickness).Should()
                    .BeLessThanOrEqualTo(even is null ? double.MaxValue : 1.12 * even.Area * even.Size.Thickness, $"{d} {even}");
                var foundation = project.Foundations[0];
                CapFaults.Of(foundation, d, UnitSystem.Metric).Should().BeNull();
                new Checker(project, foundation).Check(d).Passes.Should().BeTrue();
                var t = PileCapTests.Trial(project, d);
                foreach (var alongX in (bool[])[true, false])
                {
                    var (span, strips) = (t.CapSpans(alongX)[0], t.CapSpans(alongX)[0].Strips(true));
                    var layer = span.Layer(true);
                    span.Bars(true).Should().HaveCount(layer.Count);
                    var beside = strips.Where(s => !s.InBand).ToList();
                    if (beside.Count == 0 || layer.Band == 0)
                    {
                        // Nothing beside the bands, too little room there for its least steel, or all as close as may be.
                        var (none, at) = (beside.Count == 0 || beside.Exists(s => s.Breadth < 2 * DefaultSteel.LeastSpacing), span.Bars(true));
                        (layer.Band == 0 && (none || at[1] - at[0] < 0.115)).Should().BeTrue();
                        continue;
                    }

                    // Every pile stands in a band; beside them one bar less is too few, unless no more go into the bands.
                    t.Piles.ToArray().Should().OnlyContain(p => strips.Any(s => s.InBand && s.From <= p.Along(!alongX) + 1e-9
                        && s.To >= p.Along(!alongX) - 1e-9));
                    var fewer = BandedBars.Share(strips, false, layer.Count - layer.Band - 1);
                    var gap = Math.Min(DefaultSteel.MostSpacing, project.Code.MostSpacing(d.Size.Thickness));
                    var least = 0.0018 * d.Size.Thickness * span.BesideBands(true);
                    var more = BandedBars.Share(strips, true, layer.Band + 1);
                    var full = strips.Where((s, i) => s.InBand && s.Spacing(more[i]) < DefaultSteel.LeastSpacing).Any();
                    (full || fewer.Sum() == layer.Count - layer.Band || fewer.Sum() * layer.Size!.Area < least || fewer.Sum() == 0
                        || strips.Where((s, i) => !s.InBand && s.Breadth / fewer[i] > gap - 1e-9).Any()).Should().BeTrue();
                }
            },
            iter: 40,
            threads: 1);

    // Hooks of bars closer than six diameters are longer (318-19 25.4.3.1): 14 bars pass across, and more do not.
    [Fact]
    public void Fewer_bars_are_found_where_closer_ones_need_longer_hooks()
    {
        var (project, found) = Sized(2591, 0, 4.15625, "6", false);
        found.Should().NotBeNull();
        new Checker(project, project.Foundations[0]).Check(found!).Passes.Should().BeTrue();
    }

    [Fact]
    public void Bars_that_do_not_share_alike_and_caps_without_bands_are_refused()
    {
        var project = PileCapTests.Project(PileCapTests.Weightless(0.075), "aci318m-14", (0, 0.4, 0.4, new(1600, 0, 0, 0, 120, 0)));
        string? Fault(CapDesign d) => CapFaults.Of(project.Foundations[0], d, UnitSystem.Metric)?.Message;
        var wide = PileCapTests.Design("4", 1.8, 2.5, 2.5, 0.6, "10 + 2 T20 banded");
        Fault(wide).Should().BeNull();
        Fault(wide with { BottomY = Bars("9 + 2 T20 banded") }).Should().StartWith("bottom-y: 9 bars in bands and 2 beside them do not share")
            .And.EndWith("write for example { band = \"10 T20\", rest = \"2 T20\" }");
        Fault(PileCapTests.Design("4", 1.2, 1.9, 1.9, 0.7, "10 + 2 T20 banded")).Should()
            .Contain("nothing beside the bands for 2 bars; write all in one number, for example \"12 T20\"");
        var hexagon = (PileCapTests.Design("3", 2.4, 1, 1, 0.6, "10 + 2 T20 banded") with { ToEdge = 0.35 }).Shaped();
        Fault(hexagon).Should().Contain("cut corners lie evenly");
    }
}
