using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>What sizing finds passes every check, and nothing smaller on the steps does.</summary>
public class SizingTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true),
        new("EX", LoadSymbol.E, true)];

    private static Project Random(double a, double b, double c, string code, RuleSet? rules = null, HeldValues? held = null) => Project(
        Cases,
        [
            new(700 + (400 * a), 5 * b, 5 * c, 15 * a, 15 * b, 0), new(400 + (250 * b), 3 * c, 3 * a, 10 * b, 10 * c, 0),
            new(-60 * c, 25 * a, 10 * b, 40 * c, 60 * a, 0), new(-150 * a * a, 30 * b, 30 * c, 70 * a, 70 * b, 0),
        ],
        CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions(), []),
        rules ?? (Rules with { Ground = DefaultGround with { FoundingDepth = 1.8, PassiveCoefficient = 1.5 } }),
        Column(0.45, 0.45),
        held,
        code);

    private static readonly Gen<(double A, double B, double C)> Numbers = Gen.Select(Gen.Double[-1, 1], Gen.Double[-1, 1],
        Gen.Double[-1, 1]);

    [Theory]
    [InlineData("aci318m-14")]
    [InlineData("aci318m-19")]
    public void What_is_found_passes_the_very_checks(string code) =>
        Numbers.Sample(
            r =>
            {
                var project = Random(r.A, r.B, r.C, code);
                var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
                found.Design.Should().NotBeNull();
                var result = Check(project, found.Design!);
                result.Passes.Should().BeTrue(string.Join(", ", result.Checks.Where(c => !c.Passes).Select(c => c.Id)));
            },
            iter: 150);

    [Fact]
    public void No_bar_can_be_taken_away() =>
        Numbers.Sample(
            r =>
            {
                var project = Random(r.A, r.B, r.C, "aci318m-19");
                var d = Sized(project);
                Check(project, d with { BottomX = new BarSpec(d.BottomX.Size, d.BottomX.Count - 1, 0) }).Passes.Should().BeFalse();
                Check(project, d with { BottomY = new BarSpec(d.BottomY.Size, d.BottomY.Count - 1, 0) }).Passes.Should().BeFalse();
            },
            iter: 100);

    [Fact]
    public void Steel_is_the_least_of_all_pairs_of_sizes_but_for_fewer_bars() =>
        Numbers.Sample(
            r =>
            {
                var project = Random(Math.Abs(r.A), r.B, 0, "aci318m-14");
                var d = Sized(project);
                if (d.TopX.Size is not null)
                {
                    return;
                }

                var checker = new Checker(project, project.Foundations[0]);
                var least = Quantities.Of(project, project.Foundations[0], d).Steel;
                foreach (var x in project.Foundations[0].Rules.Steel.Bars)
                {
                    foreach (var y in project.Foundations[0].Rules.Steel.Bars)
                    {
                        for (var nx = 5; nx <= 30; nx++)
                        {
                            for (var ny = 5; ny <= 30; ny++)
                            {
                                var other = d with { BottomX = new BarSpec(x, nx, 0), BottomY = new BarSpec(y, ny, 0) };
                                var mass = Quantities.Of(project, project.Foundations[0], other).Steel;
                                if ((mass < (least / 1.05) - 1e-6 || (mass < least - 1e-6 && nx + ny <= d.BottomX.Count + d.BottomY.Count))
                                    && checker.Check(other).Passes)
                                {
                                    Assert.Fail(
                                        $"{other.BottomX}, {other.BottomY} of {mass} kg for {d.BottomX}, {d.BottomY} of {least} kg");
                                }
                            }
                        }
                    }
                }
            },
            iter: 2);

    [Fact]
    public void Held_values_are_kept()
    {
        var held = new HeldValues { Width = 1.8, Thickness = 0.8, BottomX = Bars("14 T20") };
        var project = Random(0.2, 0.1, 0.3, "aci318m-19", held: held);
        var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
        found.Stop.Should().BeNull();
        var d = (IsolatedDesign)found.Design!;
        d.Size.Width.Should().Be(1.8);
        d.Size.Thickness.Should().Be(0.8);
        d.BottomX.Should().Be(Bars("14 T20"));
        d.Size.Length.Should().BeGreaterThan(1.8);
        Check(project, d).Passes.Should().BeTrue();
    }

    [Fact]
    public void A_held_edge_moves_the_base_under_its_column()
    {
        var project = Random(-0.5, -0.5, 0, "aci318m-19",
            Rules with { Ground = DefaultGround with { FoundingDepth = 1.8 }, Stability = new StabilityRules(Contact: 0.6) },
            new HeldValues { EdgeX1 = new HeldEdge(false, 0.7) });
        var d = Sized(project);
        var o = BaseGeometry.Offset(project.Foundations[0].Held, ColumnOutline.Of(project.Supports[0], 0), d.Size);
        ((d.Size.Length / 2) - o.X).Should().BeApproximately(0.7, 1e-12);
    }

    [Fact]
    public void Rectangular_plans_are_no_dearer_than_square_ones() =>
        Numbers.Sample(
            r =>
            {
                var rules = Rules with { Ground = DefaultGround with { FoundingDepth = 1.8, PassiveCoefficient = 1.5 } };
                var square = Random(r.A, r.B, r.C, "aci318m-14", rules);
                var free = Random(r.A, r.B, r.C, "aci318m-14",
                    rules with { Sizing = DefaultSizing with { Shape = PlanShape.Rectangular } });
                var f = FoundationSizer.Of(free, free.Foundations[0]).Size().Design!.Size;
                var (cs, cf) = (FoundationSizer.Of(square, square.Foundations[0]), FoundationSizer.Of(free, free.Foundations[0]));
                cf.Cost(cf.Size().Design!)
                    .Should().BeLessThanOrEqualTo(cs.Cost(cs.Size().Design!) * 1.005, "a square is among the rectangles");
                Math.Max(f.Length / f.Width, f.Width / f.Length).Should().BeLessThanOrEqualTo(2.0 + 1e-9);
            },
            iter: 40);

    [Fact]
    public void A_design_made_alike_serves_every_place()
    {
        var one = Random(0.3, 0.2, 0.1, "aci318m-19");
        var far = one.Supports[0] with { Label = "C2", X = 8 };
        var actions = one.Actions["C1"];
        var heavier = actions.Select(a => 1.4 * a).ToArray();
        var foundation = one.Foundations[0] with
        {
            Alike = true,
            Places = [one.Foundations[0].Places[0], one.Foundations[0].Places[0] with { Supports = [far] }]
        };
        var project = one with
        {
            Supports = [one.Supports[0], far],
            Actions = new Dictionary<string, SupportAction[]> { ["C1"] = actions, ["C2"] = heavier },
            Foundations = [foundation]
        };
        var d = FoundationSizer.Of(project, foundation).Size().Design!;
        var r = new Checker(project, foundation).Check(d);
        r.Passes.Should().BeTrue();
        r.Checks.Where(c => c.Id == "bearing").Select(c => c.Place).Should().Equal("C1", "C2");
        r.Checks.Single(c => c.Id == "minimum-steel-x").Place.Should().BeNull();
        d.Size.Length.Should().BeGreaterThan(FoundationSizer.Of(one, one.Foundations[0]).Size().Design!.Size.Length);
    }

    [Fact]
    public void What_stops_it_is_named_with_the_bound()
    {
        var project = Random(1, 1, 0, "aci318m-19",
            Rules with { Ground = DefaultGround with { FoundingDepth = 1.8, Bearing = 60 }, Sizing = DefaultSizing with { MostPlan = 3 } });
        var stop = FoundationSizer.Of(project, project.Foundations[0]).Size().Stop!;
        stop.Check.Should().Be("bearing");
        stop.Bound.Should().Contain("plan up to 3.00 m × 3.00 m ([sizing] range.plan)");
        var thin = Random(1, 1, 0, "aci318m-14",
            Rules with { Ground = DefaultGround with { FoundingDepth = 1.8 }, Sizing = DefaultSizing with { MostThickness = 0.35 } });
        FoundationSizer.Of(thin, thin.Foundations[0]).Size().Stop!.Bound.Should().Contain("thickness up to 350 mm");
        var shallow = Random(0, 0, 0, "aci318m-14", Rules with { Ground = DefaultGround with { FoundingDepth = 0.25 } });
        FoundationSizer.Of(shallow, shallow.Foundations[0]).Size().Stop!.Bound.Should().Contain("stands above the ground");
    }

    [Fact]
    public void Why_names_what_stops_each_smaller_step()
    {
        var project = Random(0.2, 0.4, 0.1, "aci318m-14");
        var sizer = FoundationSizer.Of(project, project.Foundations[0]);
        var d = sizer.Size().Design!;
        var why = FoundationSizer.Of(project, project.Foundations[0]).Why(d);
        why.Should().HaveCountGreaterThanOrEqualTo(4);
        why.Should().OnlyContain(w => w.Stop != null, "a smaller step that passed would have been taken");
    }

    [Fact]
    public void Quantities_by_hand()
    {
        var project = OneAction(new SupportAction(400, 0, 0, 0, 0, 0));
        var q = Quantities.Of(project, project.Foundations[0], Design(2.4, 2.0, 0.5, "10 T16", "12 T16"));
        q.Concrete.Should().BeApproximately(2.4, 1e-12);
        q.Steel.Should().BeApproximately(((10 * 2.25) + (12 * 1.85)) * Math.PI * 0.016 * 0.016 / 4 * 7850, 1e-9);
        q.Excavation.Should().BeApproximately(2.4 * 2 * 1.05, 1e-12);
        q.Formwork.Should().BeApproximately(2 * 4.4 * 0.5, 1e-12);
        q.Blinding.Should().BeApproximately(4.8 * 0.05, 1e-12);
    }

    [Theory]
    [InlineData("T16 @ 180 mm", 2.4, 14)]
    [InlineData("13 T16", 2.4, 13)]
    [InlineData("#5 @ 12 in", 2.4, 9)]
    [InlineData("none", 2.4, 0)]
    public void Bars_as_written(string text, double breadth, int count) => Bars(text).Resolve(breadth, 0.075).Count.Should().Be(count);
}
