using CsCheck;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Rules by which a design that passes would still be unsafe: each held by hand or by a sweep.</summary>
public class SafeToIssueTests
{
    private static NoTrace none;

    private static ConcreteRules Of(double strength) => DefaultConcrete with { Strength = strength };

    // Bars of No. 8 and No. 10 and of 25 and 32 mm, by 25.5.5.1 and 25.5.2.1 with a calculator.
    [Theory]
    [InlineData("aci318-19", "#8", null, 4000 * Psi, 60000 * Psi, 30.0 * Inch)]
    [InlineData("aci318-19", "#8", null, 2500 * Psi, 60000 * Psi, 40.0 * Inch)]
    [InlineData("aci318-19", "#8", null, 4000 * Psi, 75000 * Psi, 43.5 * Inch)]
    [InlineData("aci318-14", "#3", null, 4000 * Psi, 60000 * Psi, 12.0 * Inch)]
    [InlineData("aci318m-19", "T25", null, 30e3, 420e3, 0.7455)]
    [InlineData("aci318m-19", "T25", null, 20e3, 420e3, 0.994)]
    [InlineData("aci318m-14", "T25", null, 30e3, 500e3, 1.025)]
    [InlineData("aci318m-19", "T8", null, 30e3, 420e3, 0.300)]
    [InlineData("aci318m-19", "T16", "T32", 30e3, 420e3, 0.588914)]
    [InlineData("aci318m-19", "T32", "T16", 30e3, 420e3, 0.588914)]
    public void A_lap_under_compression_is_that_of_the_code(string code, string dowel, string? column, double strength, double yield,
        double expected)
    {
        var bar = new LappedBar(Sizes(dowel)[0], column is null ? null : Sizes(column)[0], yield, 0.2, 0.06);
        ConcreteCodes.Find(code)!.CompressionLap(ref none, Of(strength), bar).Should().BeApproximately(expected, expected * 1e-4);
    }

    [Fact]
    public void A_lap_that_may_be_pulled_is_of_class_B_and_of_the_larger_bar_where_they_differ()
    {
        var code = ConcreteCodes.Find("aci318m-19")!;
        double Straight(BarSize size, LappedBar bar) => code.StraightDevelopment(ref none, Of(30e3), bar.Developed(size));
        var alike = new LappedBar(Sizes("T20")[0], null, 420e3, 0.15, 0.06);

        // ld = 420/(1.1·√30·2.5)·20 = 557.7 mm with cb/db = min(2.5; 60/20), ψs 1.0; 1.3 times that.
        code.TensionLap(ref none, Of(30e3), alike).Should().BeApproximately(1.3 * 0.55768, 1e-4);
        var mixed = alike with { Other = Sizes("T25")[0] };
        code.TensionLap(ref none, Of(30e3), mixed)
            .Should().BeApproximately(Math.Max(1.3 * Straight(Sizes("T20")[0], mixed), Straight(Sizes("T25")[0], mixed)), 1e-12);
        code.TensionLap(ref none, Of(60e3), alike with { Dowel = Sizes("T10")[0] }).Should().Be(0.300, "at least 300 mm");
    }

    private static Buildings.RuleSet Jointed => Rules with { Column = new ColumnRules { Strength = 35e3 } };

    [Fact]
    public void Dowels_run_on_by_a_compression_lap_or_where_the_joint_pulls_by_one_in_tension()
    {
        var design = Design(2.4, 2.4, 0.5) with { Dowels = Bars("8 T20") };
        double Leg(SupportAction action)
        {
            var project = OneAction(action, Jointed, Column(0.4, 0.4));
            return BarList.Of(project, project.Foundations[0], design).Single(g => g.Role == BarRole.Dowels).Shape.A;
        }

        const double inBase = 0.5 - 0.075 - 0.032;
        Leg(new SupportAction(800, 0, 0, 0, 0, 0))
            .Should().BeApproximately(Math.Ceiling((inBase + 0.5964) / 0.005) * 0.005, 1e-9, "0.071·420·20 mm");

        // 1.3·ld with f'c 35 MPa: 8 T20 stand 0.14 apart, cb = 60 mm and 10 mm of tie within 40 mm of cover: 1.3·516.3.
        var pulled = Leg(new SupportAction(800, 0, 0, 0, 60, 0));
        pulled.Should().BeApproximately(Math.Ceiling((inBase + (1.3 * 0.51630)) / 0.005) * 0.005, 0.0051,
            "60/800 is beyond a sixth of 0.4 m");
        pulled.Should().BeGreaterThan(Leg(new SupportAction(800, 0, 0, 0, 50, 0)), "50/800 is not");
    }

    [Fact]
    public void Dowels_are_as_near_as_they_stand_and_none_is_too_thick_to_lap()
    {
        ColumnSection.LeastGap(0.45, 0.45, false, 14, 0.056)
            .Should().BeApproximately(0.338 / 4, 1e-12, "14 in a square: 5 along one side, 4 along the other");
        ColumnSection.LeastGap(0.5, 0.5, true, 8, 0.06).Should().BeApproximately(2 * 0.19 * Math.Sin(Math.PI / 8), 1e-12);
        var project = OneAction(new SupportAction(800, 0, 0, 0, 0, 0), Jointed, Column(0.8, 0.8));
        Check(project, Design(3, 3, 1.5) with { Dowels = Bars("8 T40") }).Of("interface").Passes.Should().BeFalse("25.5.1.1");
    }

    private static Buildings.Project Pulled(LoadSymbol symbol, double n, SeismicCategory? category = null, SteelRules? steel = null)
    {
        // 600 kN of dead load and another case that lifts, on a base heavy enough to hang.
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("X", symbol)];
        var set = new CombinationSet([Combination("A", Family.All, 1, (0, 1), (1, 1))], []);
        return Project(cases, [new SupportAction(300, 0, 0, 0, 0, 0), new SupportAction(n, 0, 0, 0, 0, 0)], set,
            Rules with { Ground = DefaultGround with { FoundingDepth = 1.8 }, Steel = steel ?? DefaultSteel }) with
        { Category = category };
    }

    [Theory]
    [InlineData(LoadSymbol.W, -290, null, true)]
    [InlineData(LoadSymbol.W, -330, null, false)]
    [InlineData(LoadSymbol.E, -290, null, false)]
    [InlineData(LoadSymbol.E, -290, SeismicCategory.B, true)]
    [InlineData(LoadSymbol.E, -290, SeismicCategory.D, false)]
    [InlineData(LoadSymbol.E, -330, SeismicCategory.B, false)]
    public void Plain_concrete_counts_on_top_only_where_the_column_presses_and_no_earthquake_stretches_it(LoadSymbol symbol, double n,
        SeismicCategory? category, bool counts)
    {
        // Turned a little, so that the base lifts on one side and its weight stretches the top.
        var project = Pulled(symbol, n, category);
        project.Actions["C1"][1] = new SupportAction(n, 0, 0, 0, 150, 0);
        var top = Check(project, Design(3, 3, 0.5, "20 T16", "20 T16")).Of("flexure-top-x");
        top.Outcome.Demand.Should().BePositive();
        top.Passes.Should().Be(counts);
        if (counts)
        {
            top.Clause.Should().EndWith("14.5");
            top.Note.Should().Contain("14.5");
            project.Foundations[0].Rules.Steel.PlainTop.Should().BeTrue();
            var forbidden = Pulled(symbol, n, category, DefaultSteel with { PlainTop = false });
            forbidden.Actions["C1"][1] = new SupportAction(n, 0, 0, 0, 150, 0);
            Check(forbidden, Design(3, 3, 0.5, "20 T16", "20 T16")).Of("flexure-top-x").Passes.Should().BeFalse("plain-top = false");
        }
        else
        {
            var design = Sized(project);
            foreach (var (spec, breadth) in new[] { (design.TopX, design.Size.Width), (design.TopY, design.Size.Length) })
            {
                (spec.Count * spec.Size!.Area).Should().BeGreaterThanOrEqualTo(0.0018 * breadth * design.Size.Thickness * (1 - 1e-9),
                    "least steel both ways");
            }
        }
    }

    [Fact]
    public void A_light_top_mat_where_nothing_stretches_the_top_fails_no_least_steel_and_one_that_is_asked_must_be_there()
    {
        var project = OneAction(new SupportAction(400, 0, 0, 0, 0, 0));
        Check(project, Design(2, 2, 0.5, topX: "8 T10", topY: "8 T10")).Of("minimum-steel-x")
            .Should().Match<CheckResult>(c => c.Passes && c.Outcome.Face == Face.Bottom);
        var pulled = Pulled(LoadSymbol.W, -330);
        Check(pulled, Design(3, 3, 0.5, "20 T16", "20 T16", "10 T10", "10 T10"))
            .Of("minimum-steel-x").Passes.Should().BeFalse("the top is stretched");
        var asked = OneAction(new SupportAction(400, 0, 0, 0, 0, 0),
            Rules with { Steel = DefaultSteel with { TopSteel = TopSteel.Least } });
        var none = Check(asked, Design(2, 2, 0.5)).Of("minimum-steel-x");
        (none.Passes, none.Outcome.Face).Should().Be((false, Face.Top));
    }

    [Fact]
    public void The_use_of_anchorage_does_not_jump_as_the_overhang_grows()
    {
        foreach (var (code, bars, excess) in new[] { ("aci318m-19", "10 T16", false), ("aci318m-19", "10 T16 hooked", false),
            ("aci318m-14", "10 T20", true), ("aci318m-14", "10 T16 hooked", true) })
        {
            var rules = Rules with
            {
                Ground = DefaultGround with { Bearing = 2000, FoundingDepth = 1 },
                Steel = DefaultSteel with { AnchorageExcess = excess }
            };
            double? last = null;
            for (var overhang = 0.0; overhang < 1.2; overhang += 0.0005)
            {
                var held = new HeldValues { EdgeX1 = new HeldEdge(false, 0.2 + overhang) };
                var project = OneAction(new SupportAction(1500, 0, 0, 0, 0, 0), rules, Column(), held, code);
                var checker = new Checker(project, project.Foundations[0]);
                checker.Set(Design(1.6 + overhang, 1.6, 0.5, bars, bars));
                var use = checker.List.Find("anchorage-x")!.Worst(checker.Trials[0])?.Outcome.Utilisation ?? 0;
                if (last is { } before)
                {
                    Math.Abs(use - before).Should().BeLessThan(0.03, $"at {overhang:0.0000} m, {code}, {bars}");
                }

                last = use;
            }
        }
    }

    [Fact]
    public void Bars_at_an_edge_are_developed_on_both_sides_of_the_face()
    {
        // Column flush with the −x edge: 0.4 − 0.075 m lie behind its +x face.
        var project = OneAction(new SupportAction(600, 0, 0, 0, 0, 0), Rules with { Ground = DefaultGround with { Bearing = 900 } },
            Column(), new HeldValues { EdgeX0 = new HeldEdge(true, 0) });
        var straight = Check(project, Design(1.6, 1.6, 0.4, "8 T20", "8 T20")).Of("anchorage-x");
        straight.Outcome.Capacity.Should().BeApproximately(0.325, 1e-9);
        straight.Outcome.Demand.Should().BeApproximately(0.55768, 1e-4);
    }

    [Fact]
    public void The_share_of_required_steel_reduces_no_least_length_and_in_318_19_no_hook()
    {
        var (of14, of19) = (ConcreteCodes.Find("aci318m-14")!, ConcreteCodes.Find("aci318m-19")!);
        var bar = new DevelopedBar(Sizes("T16")[0], 420e3, 0.15, 0.083, 0.075, 0) { Share = 0.1 };
        of19.StraightDevelopment(ref none, Of(30e3), bar).Should().Be(0.300);
        of14.HookedDevelopment(ref none, Of(30e3), bar).Should().Be(0.150);
        of19.ExcessReduces(true, null).Should().BeFalse("25.4.10.2");
        (of19.ExcessReduces(false, SeismicCategory.C), of14.ExcessReduces(false, SeismicCategory.C),
            of14.ExcessReduces(true, SeismicCategory.D)).Should().Be((false, true, false));
    }

    [Fact]
    public void A_pedestal_with_little_steel_is_as_strong_as_one_of_the_reduced_area()
    {
        // 12 T12 in 0.5 m square: 0.54 %, so 0.54 of the area. φPn,max = 0.65·0.8·(0.85·30·(0.5429·0.25 − 0.001357) + 420·0.001357) MN.
        var rules = Rules with { Pedestal = new PedestalRules { Under = PedestalUnder.All, Height = 0.5 } };
        var project = OneAction(new SupportAction(2000, 0, 0, 0, 0, 0), rules, weights: 0);
        var steel = 12 * Math.PI * 0.012 * 0.012 / 4;
        var strength = 0.65 * 0.8 * ((0.85 * 30e3 * ((steel / 0.01) - steel)) + (420e3 * steel));
        Check(project, Design(3, 3, 0.6) with { Pedestal = new Pedestal(0.5, 0.5, false, Bars("12 T12"), Bars("T10 @ 150 mm")) })
            .Of("pedestal").Utilisation.Should().BeApproximately(2000 / strength, 1e-6);
    }

    [Fact]
    public void Cross_ties_hold_every_other_bar_or_all_that_stand_far_apart()
    {
        var code = ConcreteCodes.Find("aci318m-19")!;
        var rules = Rules with { Pedestal = new PedestalRules { Cover = 0.05 } };
        PedestalTies Ties(double side, string bars, ColumnShape shape = ColumnShape.Rectangular) =>
            PedestalTies.Of(code, rules, Column() with { Shape = shape }, new Pedestal(side, side, false, Bars(bars), Bars("T10 @ 175 mm")),
                1.0);
        Ties(0.65, "20 T12").AlongX.Should().HaveCount(2, "six a face, 0.093 m clear: the second and the fourth between the corners");
        Ties(0.65, "8 T20").AlongY.Should().HaveCount(1, "three a face, 0.235 m clear");
        Ties(0.40, "8 T20").AlongY.Should().BeEmpty("three a face, 0.11 m clear");

        // Anchor bolts: three T10 within 125 mm of the top.
        Ties(0.5, "12 T16", ColumnShape.Steel).Levels.Count(l => l >= 1.0 - 0.125 - 1e-9).Should().BeGreaterThanOrEqualTo(3);
        Ties(0.5, "12 T16").Levels.Count(l => l >= 1.0 - 0.125 - 1e-9).Should().Be(2);
    }

    [Fact]
    public void No_bar_of_a_pedestal_that_is_found_is_left_unheld() =>
        Gen.Select(Gen.Int[2, 6], Gen.Int[1, 6], Gen.Double[0.3, 1.2], Gen.OneOf(Gen.Const("T12"), Gen.Const("T20"), Gen.Const("T25")))
            .Sample(
        (half, wide, side, size) =>
        {
            var (code, pedestal) = (ConcreteCodes.Find("aci318m-19")!,
                new Pedestal(side, side * (1 + (wide / 10.0)), false, Bars($"{2 * half} {size}"), Bars("T10 @ 150 mm")));
            var ties = PedestalTies.Of(code, Rules with { Pedestal = new PedestalRules { Cover = 0.05 } }, Column(), pedestal, 0.8);
            var bars = ColumnSection.Around(pedestal.SizeX, pedestal.SizeY, false, new BarLayer(2 * half, Sizes(size)[0]),
                0.06 + (Sizes(size)[0].Diameter / 2));
            foreach (var (along, held) in new[] { (bars.Where(b => b.Y == bars.Min(o => o.Y)).Select(b => b.X), ties.AlongY),
                (bars.Where(b => b.X == bars.Min(o => o.X)).Select(b => b.Y), ties.AlongX) })
            {
                var face = along.Order().ToList();
                var stands = face.Select((v, i) => i == 0 || i == face.Count - 1 || held.Any(h => Math.Abs(h - v) < 1e-9)).ToList();
                for (var i = 1; i < face.Count - 1; i++)
                {
                    if (!stands[i])
                    {
                        (stands[i - 1] && stands[i + 1]).Should().BeTrue("every other bar");
                        (face[i] - face[i - 1] - Sizes(size)[0].Diameter).Should().BeLessThanOrEqualTo(0.150 + 1e-9);
                    }
                }
            }
        });

    [Fact]
    public void Square_pedestals_get_as_many_bars_on_every_face()
    {
        var rules = Rules with
        {
            Column = new ColumnRules { Strength = 30e3 },
            Pedestal = new PedestalRules { Under = PedestalUnder.All, Height = 0.6 }
        };
        for (var n = 400; n <= 3000; n += 200)
        {
            var project = OneAction(new SupportAction(n, 20, 0, 0, 60, 0), rules with { Ground = DefaultGround with { Bearing = 400 } },
                Column(0.45, 0.45));
            var design = Sized(project);
            (design.Pedestal!.Bars.Count % 4, design.Dowels.Count % 4).Should().Be((0, 0));
        }
    }

    [Fact]
    public void The_moment_that_flexure_transfers_by_hand()
    {
        var rules = Rules with
        {
            Steel = DefaultSteel with { MomentTransfer = true },
            Ground = DefaultGround with { SoilWeight = 0, FoundingDepth = 0.5, Bearing = 800 },
            Concrete = DefaultConcrete with { Weight = 0, CoverBottom = 0.064 }
        };
        var project = OneAction(new SupportAction(1200, 0, 0, 0, 150, 0), rules);
        var result = Check(project, Design(2.4, 2.4, 0.5)).Of("moment-transfer");

        // γf 0.6 of 147.96 kNm (known); within 0.4 + 3·0.5 m: 13 T16·1.9/2.4 at d 428 mm.
        result.Outcome.Demand.Should().BeApproximately(0.6 * 147.96, 0.01);
        var steel = 13 * Math.PI * 0.016 * 0.016 / 4 * 1.9 / 2.4;
        var a = steel * 420e3 / (0.85 * 30e3 * 1.9);
        result.Outcome.Capacity.Should().BeApproximately(0.9 * steel * 420e3 * (0.428 - (a / 2)), 1e-6);
        var both = Check(project, Design(2.4, 2.4, 0.5, topX: "13 T16", topY: "13 T16")).Of("moment-transfer");
        both.Outcome.Capacity.Should().BeGreaterThan(1.9 * result.Outcome.Capacity, "the top bars share in it on the other side");
        NotChecked.Of(OneAction(default), OneAction(default).Foundations[0])
            .Should().Contain(("moment-transfer", "[steel] moment-transfer = true"));
    }

    private static GroundRules Deep => DefaultGround with { FoundingDepth = 3, UpliftSpread = 30, Bearing = 250 };

    [Fact]
    public void Soil_beside_a_base_hangs_on_it_where_the_column_pulls_and_nowhere_else()
    {
        var rules = Rules with { Ground = Deep };
        double Held(double n) =>
            new Checker(OneAction(new SupportAction(n, 0, 0, 0, 0, 0), rules),
                OneAction(new SupportAction(n, 0, 0, 0, 0, 0), rules).Foundations[0]) is var c && Put(c)
                ? c.Trials[0].Body.Loads(0).N - n
                : 0;
        static bool Put(Checker c)
        {
            c.Set(Design(2, 2, 0.5, topX: "10 T16", topY: "10 T16"));
            return true;
        }

        // (L + B)·d²·t + 4/3·d³·t² with d 2.5 m and t = tan 30°, at 18 kN/m3.
        var (d, t) = (2.5, Math.Tan(Math.PI / 6));
        (Held(-300) - Held(100)).Should().BeApproximately(18 * ((4 * d * d * t) + (4.0 / 3 * d * d * d * t * t)), 1e-9);
        var hung = Check(OneAction(new SupportAction(-300, 0, 0, 0, 0, 0), rules), Design(2, 2, 0.5, topX: "10 T16", topY: "10 T16"));
        hung.Of("equilibrium").Passes.Should().BeTrue();

        // On the overhang of 0.8 m: base and soil over it, the edge's wedge and its corners at the end, the side wedges along it, less the
        // pressure below.
        var (wedge, corner, w, over) = (18 * d * d * t / 2, 18 * d * d * d * t * t / 3, (24 * 0.5) + (18 * 2.5), 0.8);
        var total = (24 * 0.5 * 4) + (18 * 2.5 * (4 - 0.16)) + (8 * wedge) + (4 * corner) - 300;
        var expected = (w * 2 * over * over / 2) + (((2 * wedge) + (2 * corner)) * over)
            + (wedge * over * over) - (total / 4 * 2 * over * over / 2);
        hung.Of("flexure-top-x").Outcome.Demand.Should().BeApproximately(expected, 1e-9);
    }

    [Fact]
    public void Soil_beside_a_base_in_water_is_buoyant_by_depth()
    {
        // Water 0.8 m down, top of the base 1.6 m down: by slices of 0.1 mm.
        var ground = DefaultGround with { FoundingDepth = 2, WaterDepth = 0.8, UpliftSpread = 30 };
        var project = OneAction(new SupportAction(-100, 0, 0, 0, 0, 0), Rules with { Ground = ground });
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(Design(2, 2, 0.4));
        var (sum, t) = (0.0, Math.Tan(Math.PI / 6));
        for (var i = 0; i < 16000; i++)
        {
            var depth = (i + 0.5) * 1e-4;
            var reach = (1.6 - depth) * t;
            sum += 1e-4 * (depth < 0.8 ? 18 : 20 - 9.81) * ((8 * reach) + (4 * reach * reach));
        }

        var s = checker.Trials[0];
        s.Body.RisingWeight(0).Should().BeApproximately(sum, 1e-5);
    }

    [Fact]
    public void A_full_tank_holds_nothing_against_flotation()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("TANK", LoadSymbol.F)];
        var set = new CombinationSet([Combination("A", Family.All, 1, (0, 1), (1, 1))], []);
        var project = Project(cases, [new SupportAction(50, 0, 0, 0, 0, 0), new SupportAction(400, 0, 0, 0, 0, 0)], set,
            Rules with { Ground = DefaultGround with { FoundingDepth = 2, WaterDepth = 0 } });
        var empty = Project(cases, [new SupportAction(50, 0, 0, 0, 0, 0), default], set, project.Foundations[0].Rules);
        Check(project, Design(2, 2, 0.5))
            .Of("flotation").Outcome.Capacity.Should().BeApproximately(Check(empty, Design(2, 2, 0.5)).Of("flotation").Outcome.Capacity,
                1e-9);
    }

    [Fact]
    public void Least_steel_at_a_punched_column_is_asked_on_every_section()
    {
        // Column 0.4 m square flush with +y of a base 3.9 m square: three sides are shorter than two open ones, and vuv is higher there.
        var rules = Rules with
        {
            Ground = DefaultGround with { Bearing = 1000, FoundingDepth = 0.7 + 0.5 },
            Concrete = DefaultConcrete with { Strength = 35e3 }
        };
        var project = OneAction(new SupportAction(2100, 0, 0, 630, 0, 0), rules, Column(),
            new HeldValues { EdgeY1 = new HeldEdge(true, 0) }, weights: 1.4);
        var result = Check(project, Design(3.9, 3.9, 0.7, "16 T20", "16 T20")).Of("punching-steel");
        result.Utilisation.Should().BeApproximately(1.218, 0.02);
        result.Outcome.Demand.Should().BeInRange(5900e-6 * 0.65, 6300e-6);

        // Without bars along x every section is used without end: the one that needs most is still the one told, over the strip of x, cut
        // off by the edge.
        var without = Check(project, Design(3.9, 3.9, 0.7, "none", "16 T20")).Of("punching-steel");
        without.Passes.Should().BeFalse();
        without.Outcome.Demand.Should().BeApproximately(result.Outcome.Demand * (0.4 + (1.5 * 0.7)) / (0.4 + (3 * 0.7)),
            0.05 * without.Outcome.Demand, "only the depth differs, by the bars that are not there");
    }

    [Fact]
    public void No_section_for_two_way_shear_is_longer_than_one_with_fewer_open_sides_that_fits() =>
        Gen.Select(Gen.Double[1, 4], Gen.Double[1, 4], Gen.Double[-0.5, 0.5], Gen.Double[-0.5, 0.5], Gen.Double[0.3, 0.9]).Sample(
        (length, width, u, v, h) =>
        {
            var project = OneAction(new SupportAction(500, 0, 0, 0, 0, 0), Rules with { Ground = DefaultGround with { Bearing = 1e5 } },
                Column(0.3, 0.5), new HeldValues { OffsetX = u * (length - 0.3), OffsetY = v * (width - 0.5) });
            var checker = new Checker(project, project.Foundations[0]);
            checker.Set(Design(length, width, h));
            var state = checker.Trials[0];
            if (Figures.PunchingFigure.Of(state.Punched[0], 0) is not { } found)
            {
                return;
            }

            // Every section by hand: faces at d/2, or open to an edge that the column is not farther from than from the other.
            var (d, cx, cy) = (found.Depth, state.Columns[0].X, state.Columns[0].Y);
            var (hx, hy, ax, ay) = (length / 2, width / 2, (0.3 + d) / 2, (0.5 + d) / 2);
            var fewer = double.PositiveInfinity;
            for (var ox = -1; ox <= 1; ox++)
            {
                for (var oy = -1; oy <= 1; oy++)
                {
                    var (low, high, near, far) = (ox < 0 ? -hx : cx - ax, ox > 0 ? hx : cx + ax, oy < 0 ? -hy : cy - ay,
                        oy > 0 ? hy : cy + ay);
                    if (low >= -hx && high <= hx && near >= -hy && far <= hy && ox * cx >= 0 && oy * cy >= 0
                        && Math.Abs(ox) + Math.Abs(oy) < Math.Abs(found.OpenX) + Math.Abs(found.OpenY))
                    {
                        fewer = Math.Min(fewer, ((high - low) * (oy == 0 ? 2 : 1)) + ((far - near) * (ox == 0 ? 2 : 1)));
                    }
                }
            }

            found.Perimeter.Should().BeLessThan(fewer + 1e-9);
        });

    [Fact]
    public void Net_bearing_deducts_only_what_stood_there_before()
    {
        var ground = DefaultGround with { Basis = BearingBasis.Net, FoundingDepth = 2 };
        double Pressure(double? before) =>
            Check(OneAction(new SupportAction(400, 0, 0, 0, 0, 0), Rules with { Ground = ground with { LevelBefore = before } }),
                Design(2, 2, 0.5)).Of("bearing").Outcome.Demand;
        (Pressure(-1.2) - Pressure(null)).Should().BeApproximately(18 * 1.2, 1e-9, "1.2 m of fill");
        (Pressure(-5) - Pressure(null)).Should().BeApproximately(36, 1e-9, "nothing stood there");
        (Pressure(null) - Pressure(0.5)).Should().BeApproximately(9, 1e-9, "0.5 m dug away");
        NotChecked.Of(OneAction(default, Rules with { Ground = ground }), OneAction(default, Rules with { Ground = ground }).Foundations[0])
            .Select(n => n.Id)
            .Should().Contain("level-before");
    }

    [Fact]
    public void Frost_and_what_is_not_checked_are_said()
    {
        var frost = OneAction(new SupportAction(400, 0, 0, 0, 0, 0), Rules with { Ground = DefaultGround with { FrostDepth = 1.2 } });
        Check(frost, Design(2, 2, 0.5)).Of("frost-depth").Utilisation.Should().BeApproximately(1.2, 1e-12);
        var quake = Pulled(LoadSymbol.E, -100);
        NotChecked.Of(quake, quake.Foundations[0])
            .Should().Contain([("seismic-detailing", "give [seismic] category"), ("overstrength", null), ("tilt", null),
                ("frost-depth", "give [ground] frost-depth")]);
        NotChecked.Of(quake with { Category = SeismicCategory.C }, quake.Foundations[0])
            .Select(n => n.Id)
            .Should().NotContain("seismic-detailing");
        var joined = OneAction(new SupportAction(400, 0, 0, 0, 0, 3), Jointed);
        NotChecked.Of(joined, joined.Foundations[0]).Should().Contain([("column-splice", "give [column] bars"), ("torsion", null)]);
        NotChecked.Of(OneAction(default), OneAction(default).Foundations[0])
            .Select(n => n.Id)
            .Should().NotContain(["torsion", "overstrength"]);
    }
}
