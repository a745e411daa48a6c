using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Checks of a whole base: statics worked by hand, and properties over random bases.</summary>
public class FoundationTests
{
    [Fact]
    public void Everything_is_summed_at_the_centre_of_the_underside()
    {
        // By hand: column 0.2 m off the centre, 1.0 m founding depth, h 0.5, soil 0.5 m of 18, base 24; L 3, B 2.
        var held = new HeldValues { OffsetX = 0.2, OffsetY = -0.1 };
        var project = OneAction(new SupportAction(500, 20, 30, 40, 50, 0), Rules, Column(0.4, 0.5), held);
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(Design(3, 2, 0.5));
        var l = checker.Trials[0].Body.Loads(0);
        const double dis = 18 * 0.5 * 0.2;
        l.N.Should().BeApproximately(500 + (24 * 3) + ((18 * 0.5 * 6) - dis), 1e-9);
        checker.Trials[0].Columns[0].Mx(0).Should().BeApproximately(40 - (0.5 * 30), 1e-9);
        checker.Trials[0].Columns[0].My(0).Should().BeApproximately(50 + (0.5 * 20), 1e-9);
        l.Mx.Should().BeApproximately(25 - ((500 - dis) * -0.1), 1e-9);
        l.My.Should().BeApproximately(60 + ((500 - dis) * 0.2), 1e-9);
    }

    [Fact]
    public void Sliding_by_hand()
    {
        // F = 50 along 3-4-5; friction 0.45·(400+weights), adhesion, passive on the projected width.
        var rules = Rules with { Ground = DefaultGround with { Adhesion = 5, PassiveCoefficient = 2 } };
        var r = Check(OneAction(new SupportAction(400, 30, 40, 0, 0, 0), rules, Column()), Design(2, 2, 0.5)).Of("sliding").Outcome;
        var n = 400 + (24 * 2) + (18 * 0.5 * (4 - 0.16));
        var front = (2 * 0.8) + (2 * 0.6);
        var passive = 2 * 0.5 * 18 * ((1.0 * 1.0) - (0.5 * 0.5)) * front;
        r.Demand.Should().BeApproximately(50, 1e-9);
        r.Capacity.Should().BeApproximately((0.45 * n) + (5 * 4) + passive, 1e-6);
        r.Utilisation.Should().BeApproximately(1.5 * 50 / r.Capacity, 1e-9);
        r.Factor.Should().BeApproximately(r.Capacity / 50, 1e-9);
    }

    private static Project Wind(SupportAction dead, SupportAction live, SupportAction wind, StabilityRules? stability = null) => Project(
        [new LoadCase("DEAD", LoadSymbol.D), new LoadCase("LIVE", LoadSymbol.L), new LoadCase("WX", LoadSymbol.W)],
        [dead, live, wind],
        new CombinationSet([Combination("A", Family.Stability, 0.6, (0, 0.6), (1, 1), (2, 0.6))], []),
        Rules with { Stability = stability ?? new StabilityRules() });

    [Fact]
    public void Uplift_counts_cases_one_by_one()
    {
        var project = Wind(new SupportAction(100, 0, 0, 0, 0, 0), new SupportAction(40, 0, 0, 0, 0, 0),
            new SupportAction(-150, 0, 0, 0, 0, 0));
        var r = Check(project, Design(2, 2, 0.5)).Of("uplift").Outcome;
        var weights = 0.6 * ((24 * 2) + (18 * 0.5 * (4 - 0.16)));
        r.Demand.Should().BeApproximately(90, 1e-9);
        r.Capacity.Should().BeApproximately(60 + weights, 1e-9, "live load does not hold down");
        var helped =
            Check(Wind(new SupportAction(100, 0, 0, 0, 0, 0), new SupportAction(40, 0, 0, 0, 0, 0), new SupportAction(-150, 0, 0, 0, 0, 0),
                new StabilityRules(VariableResists: true)), Design(2, 2, 0.5)).Of("uplift").Outcome;
        helped.Capacity.Should().BeApproximately(100 + weights, 1e-9, "variable-resists lets it");
    }

    [Fact]
    public void Uplift_does_not_arise_where_nothing_lifts() =>
        Check(OneAction(new SupportAction(100, 0, 0, 0, 0, 0)), Design(2, 2, 0.5)).Checks.Should().NotContain(c => c.Id == "uplift"
            || c.Id.StartsWith("overturning", StringComparison.Ordinal));

    [Fact]
    public void Tipping_by_hand()
    {
        // Wind: Fx 50 at H 0.5 and My 60 turn towards +x, its uplift 80 acts at arm 1.0; dead N 300 and own weights hold.
        var project = Wind(new SupportAction(300, 0, 0, 0, -20, 0), new SupportAction(90, 0, 0, 0, 0, 0),
            new SupportAction(-80, 50, 0, 0, 60, 0));
        var r = Check(project, Design(2, 2, 0.5)).Of("overturning-x");
        var weights = 0.6 * ((24 * 2) + (18 * 0.5 * (4 - 0.16)));
        r.Outcome.Demand.Should().BeApproximately((0.6 * (60 + 25)) + (0.6 * 80 * 1.0), 1e-9);
        r.Outcome.Capacity.Should().BeApproximately((0.6 * 20) + (0.6 * 300 * 1.0) + (weights * 1.0), 1e-9);
        r.Note.Should().Be("tipping towards +x");
    }

    [Fact]
    public void Tipping_along_y_turns_by_minus_Mx()
    {
        var r = Check(Wind(new SupportAction(300, 0, 0, 0, 0, 0), default, new SupportAction(0, 0, 0, -60, 0, 0)), Design(2, 2, 0.5));
        r.Of("overturning-y").Note.Should().Be("tipping towards +y");
        r.Of("overturning-y").Outcome.Demand.Should().BeApproximately(36, 1e-9);
    }

    [Fact]
    public void Counteracting_combinations_carry_their_margin_and_own_ones_may_state_theirs()
    {
        Combination A(bool counteracting, double? least) =>
            Combination("A", Family.Stability, 1, (0, 1), (1, 1)) with { Counteracting = counteracting, Least = least };
        double Least(Combination c) =>
            Check(Project([new LoadCase("DEAD", LoadSymbol.D), new LoadCase("WX", LoadSymbol.W)],
                [new SupportAction(300, 0, 0, 0, 0, 0), new SupportAction(0, 30, 0, 0, 0, 0)], new CombinationSet([c], [])),
                Design(2, 2, 0.5)).Of("sliding").Outcome.Least;
        Least(A(false, null)).Should().Be(1.5);
        Least(A(true, null)).Should().Be(1.0);
        Least(A(true, 1.2)).Should().Be(1.2);
    }

    [Fact]
    public void A_base_that_tips_has_no_equilibrium_and_says_what_would_hold()
    {
        var r = Check(OneAction(new SupportAction(100, 0, 0, 0, 400, 0)), Design(2, 2, 0.5));
        r.Passes.Should().BeFalse();
        var e = r.Of("equilibrium");
        e.Passes.Should().BeFalse();
        e.Note.Should().StartWith("tips: the resultant lies outside the base; at this weight a length over 4.38 m holds");
        r.Checks.Should().NotContain(c => c.Id == "bearing", "no pressure holds it");
    }

    [Fact]
    public void A_base_that_nothing_presses_down_fails_with_99_99()
    {
        var e = Check(OneAction(new SupportAction(-500, 0, 0, 0, 0, 0)), Design(2, 2, 0.5)).Of("equilibrium");
        e.Utilisation.Should().Be(99.99);
        e.Note.Should().StartWith("nothing presses down");
    }

    [Fact]
    public void Net_bearing_takes_off_the_overburden_and_reduced_area_uses_the_eccentricity()
    {
        var action = new SupportAction(600, 0, 0, 0, 90, 0);
        var n = 600 + (24 * 3) + (18 * 0.5 * (6 - 0.16));
        double Demand(GroundRules g) => Check(OneAction(action, Rules with { Ground = g }), Design(3, 2, 0.5)).Of("bearing").Outcome.Demand;
        Demand(DefaultGround).Should().BeApproximately((n / 6) + (90 / 3.0), 1e-9);
        Demand(DefaultGround with { Basis = BearingBasis.Net }).Should().BeApproximately((n / 6) + 30 - 18, 1e-9);
        Demand(DefaultGround with { Method = BearingMethod.ReducedArea }).Should().BeApproximately(n / ((3 - (2 * 90 / n)) * 2), 1e-9);
    }

    [Fact]
    public void Contact_shows_its_reserve_while_the_whole_base_bears_and_the_share_when_it_lifts()
    {
        var rules = Rules with { Concrete = DefaultConcrete with { Weight = 0 }, Ground = DefaultGround with { SoilWeight = 0 } };
        Outcome At(double my) => Check(OneAction(new SupportAction(600, 0, 0, 0, my, 0), rules), Design(3, 2, 0.5)).Of("contact").Outcome;
        At(150).Utilisation.Should().BeApproximately(6 * 0.25 / 3, 1e-9);
        At(450).Utilisation.Should().BeApproximately(1 / 0.75, 1e-9);
    }

    private sealed record Case(SupportAction Action, double L, double B, double H, double Cx, double Cy, double Ox, double Oy);

    private static readonly Gen<Case> Cases = Gen.Select(
        Gen.Select(Gen.Double[200, 2000], Gen.Double[-60, 60], Gen.Double[-60, 60], Gen.Double[-150, 150], Gen.Double[-150, 150],
            (n, fx, fy, mx, my) => new SupportAction(n, fx, fy, mx, my, 0)),
        Gen.Double[1.5, 4],
        Gen.Double[1.5, 4],
        Gen.Double[0.35, 0.9],
        Gen.Double[0.3, 0.6],
        Gen.Double[0.3, 0.6],
        Gen.Double[-0.3, 0.3],
        Gen.Double[-0.3, 0.3],
        (a, l, b, h, cx, cy, ox, oy) => new Case(a, l, b, h, cx, cy, ox, oy));

    private static FoundationResult Of(Case c, double factor = 1, double weights = 1, RuleSet? rules = null, double angle = 0) => Check(
        OneAction(factor * c.Action, rules ?? (Rules with { Ground = DefaultGround with { FoundingDepth = 1.2 } }), Column(c.Cx, c.Cy),
            new HeldValues { OffsetX = c.Ox, OffsetY = c.Oy }, angle: angle, weights: weights),
        Design(c.L, c.B, c.H, "13 T16", "13 T16", "13 T16", "13 T16"));

    private static void Same(FoundationResult a, FoundationResult b, Func<string, string>? rename = null)
    {
        foreach (var check in a.Checks)
        {
            if (check.Utilisation < 1e-9)
            {
                // What turning by a round angle leaves of zero is no demand.
                continue;
            }

            var other = b.Checks.SingleOrDefault(c => c.Id == (rename?.Invoke(check.Id) ?? check.Id));
            other.Should().NotBeNull(check.Id);
            other!.Utilisation.Should().BeApproximately(check.Utilisation, 1e-6 * Math.Max(1, check.Utilisation), check.Id);
        }
    }

    // Everything that stands on and under a base: pedestal, dowels, water, layers, soil strength.
    private static FoundationResult Rich(SupportAction action, Case c, double angle = 0, double ox = 1, double oy = 1)
    {
        var ground = DefaultGround with
        {
            FoundingDepth = 2.2,
            WaterDepth = 1.0,
            PassiveCoefficient = 1.5,
            PassiveIgnoredDepth = 0.4,
            SubgradeModulus = 20e3,
            MostSettlement = 0.02,
            UpliftSpread = 15,
            Capacity = new BearingCapacity(BearingTheory.Find("vesic")!, 30, 5, null, 3),
            Layers = [new("sand", 3, null, 0.3, null), new("clay", double.PositiveInfinity, 8e3, 0.4, 120)],
        };
        var rules = Rules with
        {
            Ground = ground,
            Column = new ColumnRules { Strength = 40e3 },
            Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = -0.2 }
        };
        var design = Design(c.L, c.B, c.H, "13 T16",
            "13 T16 hooked") with
        {
            Pedestal = new Pedestal(0.7, 0.65, false, Core.Tests.Given.Bars("8 T20"),
                Core.Tests.Given.Bars("T10 @ 150 mm")),
            Dowels = Core.Tests.Given.Bars("8 T16")
        };
        return Check(OneAction(action, rules, Column(c.Cx, c.Cy, angle: angle), new HeldValues { OffsetX = ox * c.Ox, OffsetY = oy * c.Oy },
            angle: angle), design);
    }

    [Fact]
    public void With_pedestal_water_and_layers_a_base_is_used_alike_turned_and_mirrored() => Cases.Sample(
        c =>
        {
            var a = c.Action;
            var plain = Rich(a, c);
            plain.Checks.Should().Contain(k => k.Id == "pedestal").And.Contain(k => k.Id == "flotation").And.Contain(
                k => k.Id == "bearing-below");
            Same(plain, Rich(a.InAxesTurnedBy(-30), c, 30));
            Same(plain, Rich(new SupportAction(a.N, -a.Fx, a.Fy, a.Mx, -a.My, 0), c, ox: -1));
            Same(plain, Rich(new SupportAction(a.N, a.Fx, -a.Fy, -a.Mx, a.My, 0), c, oy: -1));
        },
        iter: 150);

    [Fact]
    public void A_mirrored_base_is_used_alike() => Cases.Sample(
        c =>
        {
            var a = c.Action;
            Same(Of(c), Of(c with { Action = new SupportAction(a.N, -a.Fx, a.Fy, a.Mx, -a.My, 0), Ox = -c.Ox }));
            Same(Of(c), Of(c with { Action = new SupportAction(a.N, a.Fx, -a.Fy, -a.Mx, a.My, 0), Oy = -c.Oy }));
        },
        iter: 300);

    [Fact]
    public void Turned_with_its_actions_a_base_is_used_alike() => Cases.Sample(
        c =>
        {
            // The action in project axes that a base turned by 30° meets as c.Action in its own.
            var turned = c.Action.InAxesTurnedBy(-30);
            var project = OneAction(turned, Rules with { Ground = DefaultGround with { FoundingDepth = 1.2 } },
                Column(c.Cx, c.Cy, angle: 30), new HeldValues { OffsetX = c.Ox, OffsetY = c.Oy }, angle: 30);
            Same(Of(c), Check(project, Design(c.L, c.B, c.H, "13 T16", "13 T16", "13 T16", "13 T16")));
        },
        iter: 300);

    [Fact]
    public void Swapping_the_axes_swaps_the_checks() => Cases.Sample(
        c =>
        {
            // x and y swapped is a mirror at the diagonal: Mx and My swap and change sign. The outer layer is swapped too.
            var a = c.Action;
            var swapped = new Case(new SupportAction(a.N, a.Fy, a.Fx, -a.My, -a.Mx, 0), c.B, c.L, c.H, c.Cy, c.Cx, c.Oy, c.Ox);
            var rules = Rules with { Ground = DefaultGround with { FoundingDepth = 1.2 } };
            var other = rules with { Steel = rules.Steel with { LowerLayer = Core.Concrete.LowerLayer.Y } };
            Same(Of(c, rules: rules), Of(swapped, rules: other),
                id => id.EndsWith("-x", StringComparison.Ordinal) ? id[..^1] + "y"
                    : id.EndsWith("-y", StringComparison.Ordinal) ? id[..^1] + "x"
                    : id);
        },
        iter: 300);

    [Fact]
    public void Under_full_contact_net_pressure_knows_no_weights() => Cases.Sample(
        c =>
        {
            // Without a prism to deduct, section forces under full contact come from the column alone, whatever the weights and their
            // factor are.
            var calm = c with
            {
                Action = new SupportAction(c.Action.N, 0, 0, c.Action.Mx / 40, c.Action.My / 40, 0),
                Ox = 0,
                Oy = 0,
                Cx = 0.3,
                Cy = 0.3
            };
            var bare = Rules with
            {
                Ground = DefaultGround with { FoundingDepth = 0.9, SoilWeight = 0 },
                Concrete = DefaultConcrete with { Weight = 0 }
            };
            var heavy = Rules with { Ground = DefaultGround with { FoundingDepth = 0.9, SoilWeight = 0 } };
            var (a, b) = (Of(calm, rules: bare), Of(calm, rules: heavy, weights: 1.4));
            foreach (var id in (string[])["one-way-shear-x", "one-way-shear-y", "two-way-shear", "flexure-bottom-x", "flexure-bottom-y"])
            {
                b.Of(id).Outcome.Demand.Should().BeApproximately(a.Of(id).Outcome.Demand, 1e-6 * Math.Max(1, a.Of(id).Outcome.Demand), id);
            }
        },
        iter: 300);

    [Fact]
    public void More_load_is_never_used_less() => Cases.Sample(
        c =>
        {
            var weightless = Rules with
            {
                Ground = DefaultGround with { FoundingDepth = 1.2, SoilWeight = 0 },
                Concrete = DefaultConcrete with { Weight = 0 }
            };
            var (a, b) = (Of(c, 1, rules: weightless), Of(c, 1.2, rules: weightless));
            foreach (var check in a.Checks.Where(x => x.Passes && x.Utilisation > 0
                && x.Id is "bearing" or "two-way-shear" or "flexure-bottom-x" or "flexure-bottom-y" or "one-way-shear-x"))
            {
                b.Of(check.Id).Utilisation.Should().BeApproximately(1.2 * check.Utilisation, 1e-6 * Math.Max(1, check.Utilisation),
                    check.Id);
            }
        },
        iter: 200);

    [Fact]
    public void Section_forces_follow_from_the_free_body() => Cases.Sample(
        c =>
        {
            // What acts beyond both faces and within the column's width adds to the column's load, and turns with its moment: balance of
            // three slices, both ways.
            var project = OneAction(c.Action, Rules, Column(c.Cx, c.Cy), new HeldValues { OffsetX = c.Ox, OffsetY = c.Oy });
            var checker = new Checker(project, project.Foundations[0]);
            checker.Set(Design(c.L, c.B, c.H));
            var s = checker.Trials[0];
            if (s.Body.Contact(0).State == Core.Contact.ContactState.NoEquilibrium)
            {
                return;
            }

            var p = s.Body.Contact(0).Pressure;
            foreach (var alongX in (bool[])[true, false])
            {
                var (at, side, across) = alongX ? (c.Ox, c.Cx, c.B) : (c.Oy, c.Cy, c.L);
                var (low, high) = (s.Spans(alongX)[0].Beyond(0, -1, 0), s.Spans(alongX)[0].Beyond(0, 1, 0));
                var (from, to) = (at - (side / 2), at + (side / 2));
                var under = alongX
                    ? p.OverRectangle(from, -across / 2, to, across / 2)
                    : p.OverRectangle(-across / 2, from, across / 2, to);
                var w = s.Body.WeightPerArea(0);
                var (net, netMoment) = (under.Force - (w * side * across) - s.Columns[0].PrismWeight(0),
                    (alongX ? under.MomentX : under.MomentY) - (at * under.Force));
                double Shear(Core.Checks.OfConcrete.SectionForces f) => f.UpShear - f.DownShear;
                double Moment(Core.Checks.OfConcrete.SectionForces f) => f.UpMoment - f.DownMoment;
                (Shear(low) + Shear(high) + net).Should().BeApproximately(c.Action.N, 1e-7 * c.Action.N);
                var turning = Moment(high) + (Shear(high) * side / 2) - Moment(low) - (Shear(low) * side / 2) + netMoment;
                var column = alongX ? s.Columns[0].My(0) : -s.Columns[0].Mx(0);
                turning.Should().BeApproximately(column, 1e-7 * c.Action.N);
            }
        },
        iter: 300);

    [Fact]
    public void An_edge_column_is_checked_on_its_open_section()
    {
        // Column flush with the −x edge: three sides. By hand: b1 = 0.4 + d/2, b2 = 0.4 + d.
        var rules = Rules with
        {
            Ground = DefaultGround with { FoundingDepth = 0.5, SoilWeight = 0 },
            Concrete = DefaultConcrete with { Weight = 0, CoverBottom = 0.064 }
        };
        var project = OneAction(new SupportAction(300, 0, 0, 0, 0, 0), rules, Column(), new HeldValues { EdgeX0 = new HeldEdge(true, 0) });
        var checker = new Checker(project, project.Foundations[0]);
        var steps = checker.Trace(Design(1.0, 2.4, 0.5), "two-way-shear", null, null)!.Value;
        double Value(string symbol) => steps.Steps.Last(x => x.Symbol == symbol).Value;
        var (b1, b2, d) = (0.61, 0.82, 0.42);
        Value("bo").Should().BeApproximately((2 * b1) + b2, 1e-9);
        var c = b1 * b1 / ((2 * b1) + b2);
        var j = (2 * ((d * b1 * b1 * b1 / 12) + (b1 * d * d * d / 12) + (d * b1 * ((b1 / 2) - c) * ((b1 / 2) - c)))) + (d * b2 * c * c);
        Value("Jy").Should().BeApproximately(j, 1e-12);
        Value("Jx").Should().BeApproximately((d * b2 * b2 * b2 / 12) + (b2 * d * d * d / 12) + (2 * d * b1 * b2 * b2 / 4), 1e-12);
        steps.Steps.SelectMany(x => x.Formula)
            .First(x => x.Text is null && x.Symbol.Symbol == "αs").Symbol.Value.Should().Be(30, "three sides");
        steps.Result.Note.Should().Be("section open to the −x edge");
    }

    [Fact]
    public void Columns_of_other_shapes_are_taken_as_stated()
    {
        var round = new Support("C1", 0, 0, null, ColumnShape.Round, 0.5, 0.5, 0, 0, 0, "", "");
        ColumnOutline.Of(round, 0).X.Should().BeApproximately(0.5 * Math.Sqrt(Math.PI) / 2, 1e-12);
        var steel = new Support("C1", 0, 0, null, ColumnShape.Steel, 0.3, 0.2, 0.5, 0.4, 0, "", "");
        ColumnOutline.Of(steel, 0).X.Should().BeApproximately(0.4, 1e-12, "halfway between profile and plate");
        ColumnOutline.Of(steel, 90).X.Should().BeApproximately(0.3, 1e-12, "a quarter turn swaps the sides");
        var turned = ColumnOutline.Of(Column(0.6, 0.3, angle: 30), 0);
        (turned.X * turned.Y).Should().BeApproximately(0.18, 1e-12, "its area");
        (turned.X / turned.Y).Should().BeApproximately(((0.6 * Math.Cos(Math.PI / 6)) + 0.15) / (0.3 + (0.3 * Math.Cos(Math.PI / 6))),
            1e-12, "the proportion of its projections");
        turned.FaceX.Should().BeApproximately((0.6 * Math.Cos(Math.PI / 6)) + (0.3 * 0.5), 1e-12);
        var half = ColumnOutline.Of(Column(0.9, 0.3, angle: 45), 0);
        half.X.Should().BeApproximately(half.Y, 1e-12, "alike both ways at 45°");

        // Turned step by step nothing jumps, and at a quarter turn the sides have changed places.
        var before = ColumnOutline.Of(Column(0.9, 0.3), 0);
        for (var angle = 0.0; angle <= 360; angle += 0.1)
        {
            var now = ColumnOutline.Of(Column(0.9, 0.3, angle: angle), 0);
            Math.Max(Math.Abs(now.X - before.X), Math.Abs(now.Y - before.Y)).Should().BeLessThan(0.006, $"at {angle}°");
            before = now;
        }

        (ColumnOutline.Of(Column(0.9, 0.3, angle: 90), 0).X, ColumnOutline.Of(Column(0.9, 0.3, angle: -90), 0).Y).Should().Be((0.3, 0.9));
    }
}
