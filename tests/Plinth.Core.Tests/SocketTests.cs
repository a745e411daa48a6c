using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Precast columns in sockets.</summary>
public class SocketTests
{
    private static readonly RuleSet Precast = Rules with
    {
        Ground = DefaultGround with { FoundingDepth = 2.0 },
        Concrete = DefaultConcrete with { Strength = 28e3 },
        Column = new ColumnRules { Strength = 40e3, Bars = Bars("8 T16") },
        Pedestal = new PedestalRules { Sockets = new SocketRules { Used = true, Grout = 35e3 } },
    };

    private static readonly SupportAction Action = new(600, -28, 10, 30, -140, 0);

    private static IsolatedDesign Socketed(double depth = 0.75, double wall = 0.3, string bars = "20 T20", string ties = "T16 @ 75 mm") =>
        Design(2.4, 2.4,
            0.6) with
        { Pedestal = new Pedestal(1.2, 1.3, false, Bars(bars), Bars(ties)) { Socket = new Socket(depth, wall) } };

    private static FoundationResult Result(SupportAction action, IsolatedDesign design, RuleSet? rules = null) =>
        Check(OneAction(action, rules ?? Precast, Column(0.4, 0.5)), design);

    private static RuleSet With(Func<SocketRules, SocketRules> change) =>
        Precast with { Pedestal = Precast.Pedestal with { Sockets = change(Precast.Pedestal.Sockets) } };

    // The values of a symbol in the trace of a check, first to last.
    private static Func<string, int, double> Steps(SupportAction action, IsolatedDesign design, string check)
    {
        var project = OneAction(action, Precast, Column(0.4, 0.5));
        var trace = new Checker(project, project.Foundations[0]).Trace(design, check, null, null)!.Value.Steps;
        return (symbol, i) => trace.Where(s => s.Symbol == symbol).ElementAt(i).Value;
    }

    [Fact]
    public void A_socket_by_hand()
    {
        // l = 0.75: F1 = 1.5·140/0.75 + 1.25·28 = 315, F2 = 287 along x; 47.5 and 57.5 along y. Three pairs of T16 in a third of the depth.
        var r = Result(Action, Socketed());
        r.Of("socket-pressure").Utilisation.Should().BeApproximately(315 / (0.65 * 0.85 * 28e3 * 0.5 * 0.25), 1e-9);
        r.Of("socket-pressure").Utilisation.Should().BeApproximately(0.16290, 5e-6);
        r.Of("socket-walls").Utilisation.Should().BeApproximately(1.9949, 5e-5, "shear of the pressed wall");
        r.Of("socket-shear").Utilisation.Should().BeApproximately(0.14180, 5e-6);
        r.Of("column-bearing").Utilisation.Should().BeApproximately(600 / (0.65 * 0.85 * 28e3 * 0.2), 1e-9,
            "the weakest of grout, column and base under the foot");

        var step = Steps(Action, Socketed(), "socket-walls");
        (step("F1", 0), step("F2", 0), step("F1", 1), step("F2", 1)).Should().Be((-315, -287, -47.5, -57.5));
        step("u,bent", 0)
            .Should().BeApproximately((315 * 0.1875 / 50.32306) + (57.5 / 2 / 456.01), 5e-5,
                "Mu = 315·(1.0/4 − 0.5/8) over φMn, half of 57.5 kN over φTn of six bars");
        step("Vu", 0).Should().BeApproximately(315 * (0.5 - (0.142 / 0.5)), 1e-6, "d 0.242 reaches 0.142 m beyond the gap of 0.10 m");
    }

    [Fact]
    public void What_presses_above_and_below_is_in_equilibrium_with_the_column() =>
        Gen.Select(Gen.Double[-200, 200], Gen.Double[-60, 60], Gen.Double[-200, 200], Gen.Double[-60, 60], Gen.Double[0.5, 1.5]).Sample(
        (my, fx, mx, fy, l) =>
        {
            var trace = Steps(new SupportAction(500, fx, fy, mx, my, 0), Socketed(l), "socket-walls");
            var ((ux, uy), (lx, ly)) = ((trace("F1", 0), trace("F1", 1)), (trace("F2", 0), trace("F2", 1)));
            foreach (var (upper, lower, h, m) in new[] { (ux, lx, fx, my), (uy, ly, fy, -mx) })
            {
                (upper - lower).Should().BeApproximately(h, 1e-9);
                ((upper * 5 * l / 6) - (lower * l / 6)).Should().BeApproximately(m + (h * l), 1e-9 * (Math.Abs(m) + 100),
                    "moments about the foot");
            }
        },
        iter: 500);

    [Fact]
    public void The_walls_carry_the_moments_at_the_foot_and_no_force_that_presses()
    {
        var step = Steps(Action, Socketed(), "pedestal");
        step("Pu", 0).Should().Be(0);
        step("My", 0).Should().BeApproximately(-140 - (28 * 0.8), 1e-9);
        step("Mx", 0).Should().BeApproximately(30 - (10 * 0.8), 1e-9);
        step("ρ", 0).Should().BeApproximately(20 * Sizes("T20")[0].Area / ((1.2 * 1.3) - (0.6 * 0.7)), 1e-12);
        var project = OneAction(Action, Precast, Column(0.4, 0.5));
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(Socketed());
        checker.Trials[0].Columns[0].Arm.Should().BeApproximately(1.4, 1e-12,
            "reactions act at the rim: 600 mm of base, 750 of socket, 50 of bed");
    }

    [Fact]
    public void A_smooth_socket_holds_no_pull_and_a_keyed_one_by_its_bond()
    {
        var pull = new SupportAction(-150, 0, 0, 0, 0, 0);
        var smooth = Result(pull, Socketed());
        smooth.Of("socket-depth").Utilisation.Should().Be(Outcome.NoCapacity);
        smooth.Of("socket-depth").Note.Should().Contain("keyed");

        // 150 kN over 0.75·0.55 MPa on a perimeter of 1.8 m: 202 mm; ratio 1.2·500 = 600; ld of T16 governs else.
        var short1 = Result(pull, Socketed(),
            With(s => s with { Face = SocketFace.Keyed, DepthRatio = 0.1 }) with { Column = new ColumnRules { Strength = 40e3 } });
        short1.Of("socket-depth").Outcome.Demand.Should().BeApproximately(150 / (0.75 * 550 * 1.8), 1e-9);
        short1.Checks.Should().NotContain(c => c.Id == "socket-floor", "keyed faces make both one");
    }

    [Fact]
    public void Bars_of_a_column_that_is_pulled_at_one_face_are_developed_within_the_socket()
    {
        var bent = Result(Action, Socketed()).Of("socket-depth");
        bent.Outcome.Demand.Should().BeApproximately(1.2 * 0.5, 1e-9, "ld of T16 in 40 MPa is shorter than 600 mm");
        var thick = Result(Action, Socketed(), Precast with { Column = Precast.Column with { Bars = Bars("8 T32") } }).Of("socket-depth");
        thick.Outcome.Demand.Should().BeGreaterThan(0.6);
        thick.Note.Should().Contain("development");
        Result(new SupportAction(2000, 0, 0, 0, 5, 0), Socketed(), Precast with { Column = Precast.Column with { Bars = Bars("8 T32") } })
            .Of("socket-depth").Outcome.Demand.Should().BeApproximately(0.6, 1e-9, "all of the section is pressed");
        Result(Action, Socketed(), Precast with { Column = new ColumnRules { Strength = 40e3 } })
            .Of("socket-depth").Note.Should().Contain("[column] bars is not given");
    }

    [Fact]
    public void The_foot_punches_the_floor_by_hand()
    {
        // N 600 on 0.4 × 0.5 m with d = 600 − 75 − 16 = 509 mm: section 909 × 1009 mm. Net pressure is that of the column alone: 600/5.76
        // kPa without moments.
        var r = Result(new SupportAction(600, 0, 0, 0, 0, 0), Socketed(),
            Precast with { Concrete = Precast.Concrete with { CoverBottom = 0.075 } });
        var socket = (24 * 1.56 * 0.8) - (18 * ((1.56 * 0.8) + (0.2 * 0.6)));
        var net = (600 + socket) / 5.76;
        r.Of("socket-floor").Outcome.Demand.Should().BeApproximately((600 - (net * 0.909 * 1.009) + socket) / (2 * (0.909 + 1.009) * 0.509),
            0.01, "the socket's own weight presses too");
    }

    [Fact]
    public void A_socket_is_found_and_passes() =>
        Gen.Select(Gen.Double[200, 1500], Gen.Double[-40, 40], Gen.Double[-150, 150], Gen.Double[0.3, 0.5], Gen.Double[0.3, 0.6], Gen.Bool)
            .Sample(
        (n, f, m, cx, cy, keyed) =>
        {
            var rules = With(s => s with { Face = keyed ? SocketFace.Keyed : SocketFace.Smooth });
            var project = OneAction(new SupportAction(n, f, f / 3, m / 2, m, 0), rules, Column(cx, cy));
            var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
            if (found.Design is not IsolatedDesign { Pedestal: { Socket: { } socket } p } design)
            {
                found.Stop!.Check.Should().NotBeNull();
                return;
            }

            Check(project, design).Passes.Should().BeTrue();
            BaseGeometry.Standing(project.Foundations[0], design).Fit.Should().Be(PedestalFit.Fits);
            design.Dowels.Size.Should().BeNull();
            (p.ClearX - cx).Should().BeGreaterThanOrEqualTo(0.15 - 1e-9);
            (p.ClearY - cy).Should().BeGreaterThanOrEqualTo(0.15 - 1e-9);

            // The next thinner wall fails with these bars however dense the ties, or it is the least.
            if (socket.Wall > 0.15 + 1e-9)
            {
                var thin = p with { SizeX = p.SizeX - 0.05, SizeY = p.SizeY - 0.05, Socket = socket with { Wall = socket.Wall - 0.025 } };
                foreach (var tie in new[] { "T10", "T12", "T16" })
                {
                    Check(project, design with { Pedestal = thin with { Ties = Bars(tie + " @ 75 mm") } }).Passes.Should().BeFalse(tie);
                }
            }
        },
        iter: 25);

    [Fact]
    public void What_does_not_fit_is_told()
    {
        var project = OneAction(Action, Precast, Column(0.4, 0.5));
        var f = project.Foundations[0];
        PedestalFit Fit(IsolatedDesign d, RuleSet? rules = null) =>
            BaseGeometry.Standing(rules is null ? f : f with { Rules = rules }, d).Fit;
        Fit(Socketed()).Should().Be(PedestalFit.Fits);
        Fit(Socketed(wall: 0.35)).Should().Be(PedestalFit.SocketNarrow, "0.50 m clear for 0.40 with 75 mm on both sides");
        Fit(Socketed() with { Pedestal = null }).Should().Be(PedestalFit.Missing);
        Fit(Socketed() with { Pedestal = Socketed().Pedestal! with { Socket = null } }).Should().Be(PedestalFit.SocketMissing);
        Fit(Socketed(), Precast with { Pedestal = new PedestalRules { Under = PedestalUnder.All } })
            .Should().Be(PedestalFit.SocketNotAsked);
        Fit(Socketed(), Precast with { Pedestal = PedestalRules.None }).Should().Be(PedestalFit.NotAsked);
        var low = Precast with { Pedestal = Precast.Pedestal with { Height = 0.75 } };
        Fit(Socketed(), low).Should().Be(PedestalFit.SocketDeep, "no room for the bed");
        BaseLevels.Fault(f with { Rules = low with { Pedestal = low.Pedestal with { Height = 0.6 } } }, 0.6, Units.UnitSystem.Metric)
            .Should().Contain("raise the rim");
    }

    [Fact]
    public void Quantities_of_a_socket_by_hand()
    {
        var project = OneAction(Action, Precast, Column(0.4, 0.5));
        var (solid, hollow) = (Socketed() with { Pedestal = Socketed().Pedestal! with { Socket = null } }, Socketed());
        var standing = project.Foundations[0] with { Rules = Precast with { Pedestal = Precast.Pedestal with { Height = 0.8 } } };
        var (a, b) = (Quantities.Of(project, standing, solid), Quantities.Of(project, standing, hollow));
        (a.Concrete - b.Concrete).Should().BeApproximately(0.6 * 0.7 * 0.8, 1e-12);
        (b.Formwork - a.Formwork).Should().BeApproximately(2 * 1.3 * 0.8, 1e-12);

        // A solid pedestal has cross-ties, a socket none.
        var cross = BarList.Of(project, standing, solid).Where(g => g.Role is BarRole.CrossTiesX or BarRole.CrossTiesY).Sum(g => g.Mass);

        // Eleven inner ties of 732 × 832 mm outside, hooks 96 + 32 + 16 bent to 145: 2·(732 + 832 + 145) less five bends of 33.17 is
        // 3252.2, cut 3255.
        (b.Steel - a.Steel + cross).Should().BeApproximately(11 * Sizes("T16")[0].MassPerMetre * 3.255, 1e-9);
    }

    [Fact]
    public void A_hollow_section_holds_what_a_solid_one_does_while_the_block_stays_in_the_wall()
    {
        var code = Core.Concrete.Codes.ConcreteCodes.Find("aci318m-19")!;
        var bars = ColumnSection.Around(1.2, 1.3, false, new BarLayer(12, Sizes("T16")[0]), 0.07);
        ColumnSection Section(double hx, double hy) => code.Section(1.2, 1.3, false, bars, 28e3, 420e3, hx, hy);
        Section(0.6, 0.7).Along(0, 0, 300).Scale.Should().BeApproximately(Section(0, 0).Along(0, 0, 300).Scale, 1e-9);
        Section(0.6, 0.7).Along(9000, 0, 1500).Scale.Should().BeLessThan(Section(0, 0).Along(9000, 0, 1500).Scale * 0.9);
        Section(0.6, 0.7).Squash.Should().BeApproximately(Section(0, 0).Squash - (0.85 * 28e3 * 0.42), 1e-6);
    }

    [Fact]
    public void A_turned_base_with_its_socket_is_used_alike() =>
        Gen.Select(Gen.Double[-40, 40], Gen.Double[-120, 120], Gen.Double[-120, 120]).Sample(
        (f, mx, my) =>
        {
            var action = new SupportAction(700, f, -f / 2, mx, my, 0);
            var plain = Result(action, Socketed());
            var turned = Check(OneAction(action.InAxesTurnedBy(-30), Precast, Column(0.4, 0.5, angle: 30), angle: 30), Socketed());
            foreach (var c in plain.Checks.Where(c => c.Id.StartsWith("socket", StringComparison.Ordinal) || c.Id == "pedestal"))
            {
                turned.Of(c.Id).Utilisation.Should().BeApproximately(c.Utilisation, 1e-6 * Math.Max(1, c.Utilisation), c.Id);
            }
        },
        iter: 60);
}
