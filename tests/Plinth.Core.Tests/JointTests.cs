using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Pedestals, dowels, hooks, bands, plain concrete on top, leaves.</summary>
public class JointTests
{
    private static readonly RuleSet Standing = Rules with
    {
        Ground = DefaultGround with { FoundingDepth = 2.0 },
        Column = new ColumnRules { Strength = 40e3 },
        Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = -0.1 },
    };

    // Fewer bars may weigh so much more.
    private const double BarSearchTolerance = 0.05;

    private static Project Of(SupportAction action, RuleSet? rules = null, Support? column = null, HeldValues? held = null) =>
        OneAction(action, rules ?? Standing, column, held);

    private static IsolatedDesign Sized(Project project)
    {
        var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
        found.Design.Should().NotBeNull(found.Stop?.Bound + found.Stop?.Note);
        return (IsolatedDesign)found.Design!;
    }

    [Fact]
    public void A_pedestal_and_dowels_are_found_and_pass() =>
        Gen.Select(Gen.Double[100, 2000], Gen.Double[-40, 40], Gen.Double[-60, 60], Gen.Double[0.3, 0.6]).Sample(
        (most, f, m, c) =>
        {
            // No more than the column's own section carries with any bars: 0.4·f'c on all of it, moments beside it.
            var n = Math.Min(most, 0.4 * 30e3 * c * c);
            var project = Of(new SupportAction(n, f, -f / 2, m, 40 - m, 0), column: Column(c, c));
            var design = Sized(project);
            design.Pedestal.Should().NotBeNull();
            design.Pedestal!.SizeX.Should().BeGreaterThanOrEqualTo(c + 0.1 - 1e-9, "a ledge on both sides");
            design.Dowels.Count.Should().BeGreaterThanOrEqualTo(4);
            var result = Check(project, design);
            result.Passes.Should().BeTrue(string.Join(", ", result.Checks.Where(k => !k.Passes).Select(k => k.Id + " " + k.Note)));
            result.Checks.Select(k => k.Id)
                .Should().Contain(["pedestal", "pedestal-shear", "interface", "interface-shear", "column-bearing"]);

            // Fewer bars by what a square or an oblong changes by, or the next thinner tie spacing larger, or a smaller size: something
            // fails or the pedestal is the least.
            if (design.Pedestal.Bars.Count > 4)
            {
                var fewer =
                    design with
                    {
                        Pedestal =
                        design.Pedestal with { Bars = design.Pedestal.Bars with { Count = design.Pedestal.Bars.Count - 4 } }
                    };
                var gap = 0.3;
                var (nx, ny) = ColumnSection.Sides(fewer.Pedestal!.Bars.Count, design.Pedestal.SizeX - 0.1, design.Pedestal.SizeY - 0.1);
                (Check(project, fewer).Passes
                    && Math.Max((design.Pedestal.SizeX - 0.1) / (nx - 1),
                        (design.Pedestal.SizeY - 0.1) / (ny - 1)) <= gap).Should().BeFalse();
            }
        },
        iter: 40);

    [Fact]
    public void A_dowel_stands_beside_every_bar_of_the_column()
    {
        var rules = Rules with { Column = new ColumnRules { Strength = 35e3 } };
        BarSpec With(string? bars, double? thickness) =>
            Sized(Of(new SupportAction(600, 0, 0, 0, 0, 0),
                rules with { Column = rules.Column with { Bars = bars is null ? null : Bars(bars) } },
                held: new HeldValues { Thickness = thickness })).Dowels;
        With("12 T20", 0.8).Should().Be(Bars("12 T20"));
        With("8 T25", 0.8).Should().Be(Bars("8 T25"));
        With("12 T20", null)
            .Should().Match<BarSpec>(d => d.Count == 12 && d.Size!.Diameter < 0.020, "the least base is too thin to develop 20 mm");
        With("4 T12", 0.8).Should().Match<BarSpec>(d => d.Count == 4 && d.Size!.Diameter > 0.012, "0.5 % of the column wants larger ones");
        With(null, 0.8).Should().Be(Bars("4 T16"), "0.5 % of 400 × 400 mm is 800 mm², where nothing is said");
    }

    [Fact]
    public void A_held_pedestal_is_left_and_said_to_fail_where_it_does()
    {
        var rules = Standing with { Pedestal = Standing.Pedestal with { SizeX = 0.45, SizeY = 0.45, Bars = Bars("4 T12") } };
        var found = FoundationSizer.Of(Of(new SupportAction(300, 60, 0, 0, 150, 0), rules),
            Of(new SupportAction(300, 60, 0, 0, 150, 0), rules).Foundations[0]).Size();
        found.Design.Should().BeNull();
        found.Stop!.Check.Should().Be("pedestal");
    }

    [Fact]
    public void The_pedestals_weight_stands_at_the_column_and_soil_gives_way_to_it()
    {
        var project = Of(new SupportAction(500, 0, 0, 0, 0, 0), held: new HeldValues { OffsetX = 0.3 });
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(Design(3, 2, 0.5) with { Pedestal = new Pedestal(0.6, 0.5, false, Bars("8 T16"), Bars("T10 @ 150 mm")) });
        var l = checker.Trials[0].Body.Loads(0);
        var displaced = 18 * ((0.3 * 1.4) + (0.16 * 0.1));
        l.N.Should().BeApproximately(500 + (24 * 3) + (24 * 0.3 * 1.4) + (18 * 1.5 * 6) - displaced, 1e-9);
        l.My.Should().BeApproximately(0.3 * (500 + (24 * 0.3 * 1.4) - displaced), 1e-9);
        checker.Trials[0].Columns[0].Arm.Should().BeApproximately(1.9, 1e-12, "the reactions act at the pedestal's top");
        checker.Trials[0].Columns[0].Outline.X.Should().Be(0.6, "sections count from the pedestal's face");
    }

    [Fact]
    public void Steel_and_masonry_have_no_dowels_and_round_pedestals_stand_too()
    {
        var steel = new Support("C1", 0, 0, null, ColumnShape.Steel, 0.25, 0.25, 0.4, 0.4, 0, "", "");
        var design = Sized(Of(new SupportAction(600, 20, 10, 0, 0, 0), Standing with { Pedestal = Standing.Pedestal with { Round = true } },
            steel));
        design.Dowels.Size.Should().BeNull();
        design.Pedestal!.Round.Should().BeTrue();
        design.Pedestal.SizeX.Should().BeGreaterThanOrEqualTo(0.4 * Math.Sqrt(2) + 0.1 - 1e-9, "the plate's corners lie within it");
        var masonry = new Support("C1", 0, 0, null, ColumnShape.Masonry, 0.6, 0.4, 0, 0, 0, "", "");
        var outline = ColumnOutline.Of(masonry, 0);
        (outline.X, outline.Y, outline.FaceX).Should().Be((0.3, 0.2, 0.6));
    }

    [Fact]
    public void A_turned_column_on_its_joint_is_used_as_in_its_own_axes()
    {
        // Column and load turned by 30° over a base that is not: the joint sees the same.
        var action = new SupportAction(700, 30, 10, 40, 90, 0);
        var rules = Standing with { Pedestal = PedestalRules.None };
        CheckResult Joint(double angle) =>
            Check(OneAction(action.InAxesTurnedBy(-angle), rules, Column(0.5, 0.3, angle: angle)),
                Design(3, 3, 0.6) with { Dowels = Bars("8 T16") }).Of("interface");
        Joint(30).Utilisation.Should().BeApproximately(Joint(0).Utilisation, 1e-6);
    }

    [Fact]
    public void Bars_are_hooked_where_they_are_too_short()
    {
        // A stiff pad with a short overhang and thick bars: straight ends do not fit.
        var rules = Rules with
        {
            Ground = DefaultGround with { Bearing = 900 },
            Steel = DefaultSteel with { Bars = Sizes("T25") },
            Sizing = DefaultSizing with { LeastThickness = 0.6 }
        };
        var design = Sized(OneAction(new SupportAction(2000, 0, 0, 0, 0, 0), rules, held: new HeldValues { Length = 1.7, Width = 1.7 }));
        design.BottomX.Hooked.Should().BeTrue();
        var project = OneAction(new SupportAction(2000, 0, 0, 0, 0, 0), rules);
        Check(project, design).Of("anchorage-x").Passes.Should().BeTrue();
        Check(project, design with { BottomX = design.BottomX with { Hooked = false } }).Of("anchorage-x").Passes.Should().BeFalse();
        Schedules.Quantities.Of(project, project.Foundations[0], design).Steel.Should().BeGreaterThan(Schedules.Quantities.Of(project,
            project.Foundations[0], design with { BottomX = design.BottomX with { Hooked = false } }).Steel);
    }

    [Fact]
    public void Hook_mass_by_hand()
    {
        // T16: bend radius 48 mm; height 48 + 13·16 = 256, bent to 260; 2000 + 2·260 less two bends of 40.03 is 2439.9, cut 2440.
        var code = Core.Concrete.Codes.ConcreteCodes.Find("aci318m-19")!;
        var layer = new BarLayer(10, Sizes("T16")[0]);
        var extra = Schedules.Quantities.MassOf(code, layer with { Hooked = true }, 2) - Schedules.Quantities.MassOf(code, layer, 2);
        extra.Should().BeApproximately(10 * Sizes("T16")[0].MassPerMetre * 0.440, 1e-9);
    }

    [Fact]
    public void A_banded_layer_holds_what_the_code_asks_in_the_band()
    {
        var rules = Rules with
        {
            Steel = DefaultSteel with { Banded = true },
            Sizing = DefaultSizing with { Shape = PlanShape.Rectangular }
        };
        var ground = DefaultGround with { Bearing = 800 };
        var project = OneAction(new SupportAction(3000, 0, 0, 0, 0, 0), rules with { Ground = ground },
            held: new HeldValues { Width = 1.8, Length = 3.4 });
        var design = Sized(project);
        design.BottomY.Band.Should().BeGreaterThan(0);
        design.BottomX.Band.Should().Be(0, "the long way is laid evenly");
        ((design.BottomY.Count - design.BottomY.Band) % 2).Should().Be(0);
        ((double)design.BottomY.Band / design.BottomY.Count).Should().BeGreaterThanOrEqualTo((2 / ((3.4 / 1.8) + 1)) - 1e-9);
        Check(project, design).Passes.Should().BeTrue();
        var even = Sized(OneAction(new SupportAction(3000, 0, 0, 0, 0, 0), Rules with { Sizing = rules.Sizing, Ground = ground },
            held: new HeldValues { Width = 1.8, Length = 3.4, Thickness = design.Size.Thickness }));
        (design.BottomY.Count * design.BottomY.Size!.Area).Should().BeLessThanOrEqualTo((even.BottomY.Count
            + 1) * even.BottomY.Size!.Area * (1 + BarSearchTolerance), "even bars must be 2β/(β + 1) times as many in flexure");
    }

    [Fact]
    public void Preferred_sizes_and_one_spacing_both_ways_are_used_where_asked()
    {
        var action = new SupportAction(1200, 0, 0, 0, 0, 0);
        Sized(OneAction(action, Rules with { Steel = DefaultSteel with { Preferred = Sizes("T20") } })).BottomX.Size!.Name.Should().Be(
            "T20");
        var alike = Sized(OneAction(action, Rules with { Steel = DefaultSteel with { BothWaysAlike = AlikeBars.Always } }));
        alike.BottomX.Should().Be(alike.BottomY, "a square base gets the same both ways");
    }

    [Fact]
    public void Plain_concrete_holds_a_small_downward_moment_and_top_steel_follows_only_beyond()
    {
        // Half the base lifts: the overhang hangs on the column by its weight alone.
        FoundationResult At(double my, string top) =>
            Check(OneAction(new SupportAction(300, 0, 0, 0, my, 0), Rules with { Stability = new Core.Ground.StabilityRules(Contact: 0) }),
                Design(3, 3, 0.4, topX: top, topY: top));
        var small = At(330, "none").Of("flexure-top-x");
        small.Outcome.Demand.Should().BeGreaterThan(1);
        small.Passes.Should().BeTrue();
        small.Note.Should().StartWith("plain concrete holds");

        // By hand: 0.60·0.42·√30·3.0·0.35²/6.
        small.Outcome.Capacity.Should().BeApproximately(0.6 * 0.42 * Math.Sqrt(30) * 1000 * 3 * 0.35 * 0.35 / 6, 1e-6);
    }

    [Fact]
    public void A_waived_check_governs_nothing_and_an_accepted_one_passes_up_to_its_limit()
    {
        var project = OneAction(new SupportAction(900, 0, 0, 0, 0, 0), Rules with { Ground = DefaultGround with { Bearing = 240 } });
        var design = Design(2, 2, 0.5);
        var plain = Check(project, design);
        var used = plain.Of("bearing").Utilisation;
        used.Should().BeGreaterThan(1);
        FoundationResult With(Leave leave) =>
            Check(project with { Foundations = [project.Foundations[0] with { Leaves = [leave] }] }, design);
        var waived = With(new Leave("bearing", "F1", null, "agreed"));
        waived.Passes.Should().BeTrue();
        waived.Of("bearing").Utilisation.Should().Be(used, "the number is still told");
        waived.Of("bearing").Allowed.Should().BeTrue();
        waived.Governing.Id.Should().NotBe("bearing");
        With(new Leave("bearing", "F1", used + 0.001, "letter 14")).Passes.Should().BeTrue();
        With(new Leave("bearing", "F1", used - 0.001, "letter 14")).Passes.Should().BeFalse();
        var sized = FoundationSizer.Of(project, project.Foundations[0] with { Leaves = [new Leave("bearing", "F1", null, "agreed")] })
            .Size().Design!;
        sized.Size.Length.Should().BeLessThan(FoundationSizer.Of(project, project.Foundations[0]).Size().Design!.Size.Length,
            "sizing leaves out what is waived");
    }

    [Fact]
    public void Room_is_how_much_the_actions_may_grow()
    {
        var project = OneAction(new SupportAction(500, 0, 0, 0, 0, 0), Rules with { Ground = DefaultGround with { Bearing = 200 } });
        var checker = new Checker(project, project.Foundations[0]);
        var design = Design(2, 2, 0.6);
        var room = checker.Room(design)!.Value;
        FoundationResult Grown(double by) => Check(OneAction(new SupportAction(500 * (1 + by), 0, 0, 0, 0, 0), Rules), design);
        Grown(room).Passes.Should().BeTrue();
        Grown(room + 0.006).Passes.Should().BeFalse();
        checker.Room(Design(1.3, 1.3, 0.6)).Should().BeNegative("it fails as it is");
    }
}
