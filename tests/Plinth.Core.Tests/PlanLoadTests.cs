using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Loads that stand on a base beside its column: statics by hand, and what must not depend on how a load is written.</summary>
public class PlanLoadTests
{
    private static readonly SupportAction Column1 = new(700, 12, -8, 20, 35, 0);

    private static Project With(Project project, params PlanLoad[] loads) =>
        project with { Foundations = [project.Foundations[0] with { Loads = loads }] };

    private static PlanLoad Point(double n, double x, double y) => new(0, PlanLoadShape.Point, n, x, y, x, y);

    [Fact]
    public void Forces_and_places_by_hand()
    {
        var (column, size) = (new PlanPoint(0.2, -0.1), new BaseSize(3, 2, 0.5));
        new PlanLoad(0, PlanLoadShape.Line, 12, -0.6, 0.5, 0.6, 0.5).On(column, size)
            .Should().Be(new PlacedLoad(0, 12 * 1.2, -0.6 + 0.2, 0.4, 0.6 + 0.2, 0.4));
        new PlanLoad(0, PlanLoadShape.Line, 10, 0, 0, 0.3, 0.4).On(default, size).N.Should().BeApproximately(5, 1e-12,
            "a line may lie askew");
        new PlanLoad(0, PlanLoadShape.Rectangle, 5, -1, -0.5, 1, 0.5).On(default, size).N.Should().Be(10);
        new PlanLoad(0, PlanLoadShape.WholeBase, 5, 0, 0, 0, 0).On(column, size).Should().Be(new PlacedLoad(0, 30, -1.5, -1, 1.5, 1));
        new PlacedLoad(0, 10, -1, 0, 1, 0).Within(true, 0.5, 9).Should().Be((0.25, 0.75));
        new PlacedLoad(0, 10, 0.5, 0, 0.5, 0).Within(true, 0.4, 9).Should().Be((1, 0.5));
        new PlacedLoad(0, 10, 0.5, 0, 0.5, 0).Within(true, 0.6, 9).Share.Should().Be(0);
    }

    [Fact]
    public void For_the_ground_a_load_beside_the_column_is_the_column_s_with_its_moment() =>
        Gen.Select(Gen.Double[-60, 200], Gen.Double[-0.8, 0.8], Gen.Double[-0.8, 0.8]).Sample((n, x, y) =>
        {
            // The base's x to the right, y up: n at (x, y) is n at the column with Mx −n·y and My +n·x.
            var beside = Check(With(OneAction(Column1, held: new HeldValues { OffsetX = 0.1 }), Point(n, x, y)), Design(2.4, 2.2, 0.5));
            var moved = Check(OneAction(Column1 + new SupportAction(n, 0, 0, -n * y, n * x, 0), held: new HeldValues { OffsetX = 0.1 }),
                Design(2.4, 2.2, 0.5));
            foreach (var id in new[] { "equilibrium", "bearing", "contact", "sliding" })
            {
                beside.Of(id).Utilisation.Should().BeApproximately(moved.Of(id).Utilisation, 1e-9, id);
            }
        }, iter: 100);

    [Fact]
    public void A_load_over_the_whole_base_passes_straight_through_the_concrete() =>
        Gen.Double[1, 40].Sample(q =>
        {
            // Where the whole base bears, pressure and load grow alike everywhere: no section feels it, the ground all of it.
            var without = Check(OneAction(Column1), Design(2.4, 2.2, 0.5));
            var with = Check(With(OneAction(Column1), new PlanLoad(0, PlanLoadShape.WholeBase, q, 0, 0, 0, 0)), Design(2.4, 2.2, 0.5));
            foreach (var id in new[] { "one-way-shear-x", "one-way-shear-y", "two-way-shear", "flexure-bottom-x", "flexure-bottom-y" })
            {
                with.Of(id).Outcome.Demand.Should().BeApproximately(without.Of(id).Outcome.Demand, 1e-6, id);
            }

            with.Of("bearing").Outcome.Demand.Should().BeApproximately(without.Of("bearing").Outcome.Demand + q, 1e-9);
        }, iter: 50);

    [Fact]
    public void How_a_load_is_cut_up_changes_nothing() =>
        Gen.Select(Gen.Double[-1, 0.9], Gen.Double[-1, 1]).Sample((cut, y) =>
        {
            var whole = Check(With(OneAction(Column1), new PlanLoad(0, PlanLoadShape.Line, 20, -1, y, 1, y)), Design(2.4, 2.2, 0.5));
            var parts = Check(With(OneAction(Column1), new PlanLoad(0, PlanLoadShape.Line, 20, -1, y, cut, y),
                new PlanLoad(0, PlanLoadShape.Line, 20, cut, y, 1, y)), Design(2.4, 2.2, 0.5));
            parts.Checks.Zip(whole.Checks).Should().OnlyContain(p => Math.Abs(p.First.Utilisation - p.Second.Utilisation) < 1e-9);
        }, iter: 50);

    [Fact]
    public void A_load_on_the_overhang_relieves_the_sections_under_it_by_hand()
    {
        // Concentric column 700 on 2.4 × 2.2, face at 0.2; 60 kN at x 0.9 on the axis: beyond the face the bending loses 60·0.7 and gains
        // its share of pressure.
        var action = new SupportAction(700, 0, 0, 0, 0, 0);
        var r = Check(With(OneAction(action), Point(60, 0.9, 0)), Design(2.4, 2.2, 0.5));
        const double b = 2.2, l = 1.0;
        // The soil that the column displaces presses nowhere.
        var (a, slope) = ((760 - (18 * 0.5 * 0.16)) / (2.4 * b), 60 * 0.9 / (b * Math.Pow(2.4, 3) / 12));
        double Up(double side) => b * ((a * l * l / 2) + (side * slope * ((0.2 * l * l / 2) + (l * l * l / 3))));
        r.Of("flexure-bottom-x").Outcome.Demand.Should().BeApproximately(Math.Max(Up(1) - (60 * 0.7), Up(-1)), 1e-6);
    }

    [Fact]
    public void Uplift_and_overturning_count_it_by_its_case_and_its_own_arm()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W)];
        var set = new CombinationSet([new Combination("A", Family.Stability,
            [new Term(0, 0.6), new Term(1, 1), new Term(2, 0.6, 0.45, 0.45)], 0.6, true, true, null, null, "A")], []);
        var project = Project(cases, [new SupportAction(100, 0, 0, 0, 0, 0), default, new SupportAction(-200, 0, 0, 0, 0, 0)], set);
        var design = Design(2, 2, 0.5);
        var weights = 0.6 * ((24 * 2) + (18 * 0.5 * (4 - 0.16)));
        var bare = Check(project, design);
        bare.Of("uplift").Outcome.Demand.Should().BeApproximately(0.45 * 200, 1e-9, "what tips takes the reduced factor");
        var loaded = Check(With(project, Point(50, 0.8, 0), new PlanLoad(1, PlanLoadShape.Point, 500, 0, 0, 0, 0),
            new PlanLoad(2, PlanLoadShape.Point, -40, -0.8, 0, -0.8, 0)), design);
        loaded.Of("uplift").Outcome.Demand.Should().BeApproximately(0.45 * 240, 1e-9);
        loaded.Of("uplift").Outcome.Capacity.Should().BeApproximately((0.6 * 150) + weights, 1e-9, "live load holds nothing down");

        // About the edge at +x: 90 and 18 kN lift at 1.0 and 1.8; 60 kN and 30 kN hold at 1.0 and 0.2.
        var soil = 0.6 * 18 * 0.5 * 0.16;
        var tipping = loaded.Of("overturning-x").Outcome;
        tipping.Demand.Should().BeApproximately((90 * 1.0) + (18 * 1.8), 1e-9);
        tipping.Capacity.Should().BeApproximately((60 * 1.0) + (30 * 0.2) + ((weights + soil) * 1.0) - (soil * 1.0), 1e-9);
    }

    [Fact]
    public void Sizing_keeps_every_load_on_the_base()
    {
        var project = With(OneAction(new SupportAction(150, 0, 0, 0, 0, 0)), Point(30, 1.2, 0));
        var result = Sizing.FoundationSizer.Of(project, project.Foundations[0]).Size();
        result.Design!.Size.Length.Should().BeGreaterThanOrEqualTo(2.4);
        Check(project, result.Design).Passes.Should().BeTrue();
        result.Design.Size.Length.Should().Be(2.4, "the bearing value alone would allow less");
    }
}
