using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Wall;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>The wall over its base: its bars by hand, its forces over random walls, and what is said of them.</summary>
public class WallStemTests
{
    private static readonly (LoadCase, SupportAction)[] Nothing = [(new LoadCase("DEAD", LoadSymbol.D), default)];

    private static Project Held(double height, int layers, double thickness) => WallTests.Project(
        new WallRules
        {
            Stem = new StemRules(height) { Layers = layers, Cover = 0.05 },
            Retained = new RetainedSoil(true, height - 0.1) { FrictionAngle = 30 },
        }, 5, thickness, Nothing);

    private static WallTrial Of(double height, StemBars bars, double h = 0.6, int layers = 2, double thickness = 0.3) =>
        WallTests.Trial(Held(height, layers, thickness), WallTests.Design(1.2, 0.6, h, true, stem: bars));

    private static double Steel(WallTrial t) => t.Checks.Find("wall-steel")!.Findings(t).Single().Outcome.Utilisation;

    private static StemBars Uprights(string soil, string free = "T12 @ 200 mm") => new(Bars(soil), Bars(free), Bars("T12 @ 150 mm"));

    [Fact]
    public void Starters_are_developed_in_a_low_wall_or_fail()
    {
        // T25 at 150 mm, 62.5 mm to its centre, f'c 30: ld = 420/(1.1·√30·2.5)·25 = 697.1 mm, in 650 mm of a wall of 700.
        var t = Of(0.7, Uprights("T25 @ 150 mm"));
        var ld = 420 / (1.1 * Math.Sqrt(30) * 2.5) * 25;
        ld.Should().BeApproximately(697.1, 0.05);
        Steel(t).Should().BeApproximately(ld / 650, 1e-6);
        t.Checks.Find("wall-steel")!.Exceeds(t, 1).Should().BeTrue();
        Steel(Of(0.8, Uprights("T25 @ 150 mm"))).Should().BeLessThan(1);
    }

    [Fact]
    public void Distances_of_bars_are_told_against_their_bounds()
    {
        // 300 mm of at most 300 by [steel] spacing: the wall's own bound is 450.
        var bars = Uprights("T16 @ 300 mm", "T16 @ 250 mm");
        var t = Of(3, bars);
        Steel(t).Should().BeApproximately(1, 1e-9);
        var project = Held(3, 2, 0.3);
        var steps = new Checker(project, project.Foundations[0]).Trace(WallTests.Design(1.2, 0.6, 0.6, true, stem: bars), "wall-steel",
            null, null)!.Value.Steps;
        var names = steps.Select(s => s.Symbol).ToList();
        names.Should().Contain("distance of upright bars at the soil's face").And.Contain("distance of upright bars at the other face")
            .And.Contain("distance of level bars").And.Contain("length in the wall").And.Contain("hook in the base");
    }

    [Fact]
    public void One_layer_has_no_other_face()
    {
        var t = Of(1.2, new StemBars(Bars("T12 @ 200 mm"), Core.Concrete.BarSpec.None, Bars("T12 @ 200 mm")), layers: 1, thickness: 0.2);
        t.Stem!.Depth(t.Stem.Bars.Soil).Should().BeApproximately(0.1, 1e-12, "in the middle");
        t.Stem.Upright.Should().BeApproximately(Math.PI * 0.012 * 0.012 / 4 / 0.2, 1e-12);
        t.Stem.Level.Should().BeApproximately(Math.PI * 0.012 * 0.012 / 4 / 0.2, 1e-12);
    }

    [Fact]
    public void A_thinner_base_holds_the_hooks_of_thinner_starters_alone()
    {
        // T25, 100 mm beside the plane of its hook: the depth that is there is 350 − 75 − 2·16 = 243 mm.
        Steel(Of(3, Uprights("T25 @ 200 mm"), h: 0.35)).Should().BeGreaterThan(1);
        Steel(Of(3, Uprights("T12 @ 200 mm"), h: 0.35)).Should().BeLessThan(1);
    }

    [Fact]
    public void Room_is_not_told_of_a_wall_that_only_holds_back_soil()
    {
        var wall = new WallRules { Stem = new StemRules(2), Retained = new RetainedSoil(true, 1.8) { FrictionAngle = 32 } };
        double? Room(double n)
        {
            var project = WallTests.Project(wall, 5, 0.25, [(new LoadCase("DEAD", LoadSymbol.D), new(n, 0, 0, 0, 0, 0))]);
            return new Checker(project, project.Foundations[0]).Room(WallTests.Design(1.2, 0.6, 0.5, true, stem: Uprights("T16 @ 200 mm")));
        }

        Room(0).Should().BeNull("nothing of the supports could grow");
        Room(300).Should().NotBeNull();
    }

    [Fact]
    public void Each_section_is_checked_for_what_stands_on_the_heel_and_for_what_stands_behind_it()
    {
        // The toe is bent upwards most without the weight, the heel downwards most with it; without a surcharge there is but one state.
        FoundationResult Of(double surcharge)
        {
            var wall = new WallRules
            {
                Stem = new StemRules(3),
                Retained = new RetainedSoil(true, 2.8) { FrictionAngle = 32, Surcharge = surcharge },
            };
            var project = WallTests.Project(wall, 5, 0.3, Nothing);
            return new Checker(project, project.Foundations[0])
                .Check(WallTests.Design(1.2, 0.6, 0.5, true, stem: Uprights("T16 @ 150 mm")));
        }

        string[] OffHeel(double surcharge) =>
            [.. Of(surcharge).Checks.Where(c => c.Surcharge == "surcharge off the heel").Select(c => c.Id).Order(StringComparer.Ordinal)];
        OffHeel(20).Should().Equal("anchorage-y", "bearing", "equilibrium", "flexure-bottom-y", "one-way-shear-y");
        OffHeel(0).Should().BeEmpty();
        Of(20).Checks.Single(c => c.Id == "flexure-top-y").Surcharge.Should().BeNull();
    }

    [Fact]
    public void A_propped_wall_says_what_it_is_taken_for()
    {
        var wall = new WallRules
        {
            Stem = new StemRules(3) { Propped = true },
            Retained = new RetainedSoil(true, 2.8) { FrictionAngle = 30, AtRest = true },
        };
        var project = WallTests.Project(wall, 5, 0.3, Nothing);
        var notes = new Checker(project, project.Foundations[0]).Check(WallTests.Design(1.2, 0.6, 0.5, true, stem: Uprights("T16 @ 150 mm")))
            .Notes;
        notes.Should().ContainSingle(n => n.Contains("fixed on its base and held at its top", StringComparison.Ordinal));
    }

    [Fact]
    public void Shear_and_moment_up_the_wall_are_each_other_s_slopes() => WallTests.Random.Where(g => g.Wall.Stem is not null).Sample(
        g =>
        {
            var t = WallTests.Trial(WallTests.Of(g), WallTests.Design(g.First, g.Second, g.H, true, stem: Uprights("T16 @ 150 mm")));
            const double Step = 1e-4;
            foreach (var k in t.CombinationsFor(Family.Concrete))
            {
                foreach (var z in new[] { 0.3, 1.1, 2.0 })
                {
                    var (below, propBelow) = t.Stem!.Pushed(k, z - Step);
                    var (above, propAbove) = t.Stem.Pushed(k, z + Step);
                    var (at, prop) = t.Stem.Pushed(k, z);
                    propAbove.Should().Be(propBelow).And.Be(prop);
                    ((below.Moment - above.Moment) / (2 * Step)).Should().BeApproximately(at.Force, 1e-3 * Math.Max(1, at.Force));
                    below.Force.Should().BeGreaterThanOrEqualTo(above.Force, "soil only pushes");
                }

                // Above the soil nothing presses.
                t.Stem!.Pushed(k, 2.9).Thrust.Should().Be(default(Core.Ground.Thrust));
            }
        }, iter: 40);

    [Fact]
    public void More_bars_never_use_a_wall_more() => WallTests.Random.Where(g => g.Wall.Stem is not null).Sample(
        g =>
        {
            WallTrial With(string soil) =>
                WallTests.Trial(WallTests.Of(g), WallTests.Design(g.First, g.Second, g.H, true, stem: Uprights(soil, "T16 @ 200 mm")));
            double Used(WallTrial t, string id) => t.Checks.Find(id)!.Findings(t).Max(f => (double?)f.Outcome.Utilisation) ?? 0;
            var (few, many) = (With("T12 @ 200 mm"), With("T16 @ 150 mm"));
            Used(many, "wall-flexure").Should().BeLessThanOrEqualTo(Used(few, "wall-flexure") * 1.02);
            Used(many, "wall-axial").Should().Be(Used(few, "wall-axial"), "bars have no part in it");
        }, iter: 30);
}
