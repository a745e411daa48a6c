using CsCheck;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Bars as they are bent and cut, and the schedules made of them.</summary>
public class BarScheduleTests
{
    private static readonly ConcreteCode Code = ConcreteCodes.Find("aci318m-19")!;

    private static BarSize Size(string name) => Sizes(name)[0];

    [Fact]
    public void Three_shapes_by_hand()
    {
        // T16, r = 48: a bend takes 0.4292·48 + 1.2146·16 = 40.03 mm. U of 260 + 2250 + 260: 2770 − 80.1 = 2689.9, cut 2690; 10 of them
        // 10·2.690·1.5783 = 42.46 kg.
        var u = BarShape.TwoBends(Size("T16"), 0.256, 2.25, 0.048);
        (u.Code, u.A, u.B, u.C).Should().Be(("21", 0.260, 2.25, 0.260));
        u.Length.Should().BeApproximately(2.690, 1e-9);
        new BarGroup(BarRole.BottomX, Size("T16"), 10, u, "B1").Mass.Should().BeApproximately(42.46, 0.005);

        // T12, r = 36: 30.03 mm. L of 520 + 195: 684.97, cut 685; 8 of them 8·0.685·0.8878 = 4.865 kg.
        var l = BarShape.OneBend(Size("T12"), 0.192, 0.518, 0.036);
        (l.Code, l.A, l.B).Should().Be(("11", 0.520, 0.195));
        l.Length.Should().BeApproximately(0.685, 1e-9);
        new BarGroup(BarRole.Dowels, Size("T12"), 8, l, "").Mass.Should().BeApproximately(4.865, 0.001);

        // T10 tie 350 × 450, r = 20, hooks 75 + 20 + 10 = 105: 20.73 mm a bend. 2·(350 + 450 + 105) − 5·20.73 = 1706.4, cut 1710; 9 of them
        // 9·1.710·0.6165 = 9.489 kg.
        var tie = BarShape.Closed(Size("T10"), 0.35, 0.45, 0.105, 0.020);
        tie.Length.Should().BeApproximately(1.710, 1e-9);
        new BarGroup(BarRole.Ties, Size("T10"), 9, tie, "").Mass.Should().BeApproximately(9.489, 0.002);
    }

    [Fact]
    public void A_bend_is_the_way_round_the_corner_less_the_arc_of_the_centre_line() =>
        Gen.Select(Gen.Double[0.02, 0.2], Gen.Double[0.006, 0.05]).Sample(
        (r, d) =>
        {
            // Legs outside to outside lose r + d each at the corner and gain the quarter circle of the centre line.
            var arc = Math.PI / 2 * (r + (d / 2));
            BarShape.Deduction(r, d).Should().BeApproximately((2 * (r + d)) - arc, 1e-12);
        },
        iter: 200);

    [Theory]
    [InlineData("T16", 0.2561, 0.260)]
    [InlineData("T16", 0.2600000001, 0.260)]
    [InlineData("#5", 0.2561, 0.26035)]
    [InlineData("#5", 0.25400, 0.254)]
    public void Lengths_are_cut_up_to_whole_steps(string size, double length, double cut) =>
        Size(size).CutUp(length).Should().BeApproximately(cut, 1e-9);

    [Fact]
    public void A_footing_with_everything_lists_its_bars_in_order()
    {
        var rules = Rules with
        {
            Ground = DefaultGround with { FoundingDepth = 2.0 },
            Column = new ColumnRules { Strength = 40e3 },
            Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = -0.2 },
            Steel = DefaultSteel with { LowerLayer = LowerLayer.Y },
        };
        var project = OneAction(new SupportAction(500, 0, 0, 0, 0, 0), rules);
        var design = Design(2.4, 2.0, 0.5, "10 T16 hooked", "12 T16", "8 T12",
            "9 T12") with
        { Pedestal = new Pedestal(0.45, 0.55, false, Bars("8 T20"), Bars("T10 @ 150 mm")), Dowels = Bars("4 T16") };
        var list = BarList.Of(project, project.Foundations[0], design);
        list.Select(g => (g.Role, g.Count, g.Shape.Code, g.Layer)).Should().Equal(
            (BarRole.BottomX, 10, "21", "B2"), (BarRole.BottomY, 12, "00", "B1"), (BarRole.TopX, 8, "00", "T2"),
            (BarRole.TopY, 9, "00", "T1"),
            (BarRole.Pedestal, 8, "11", ""), (BarRole.Ties, 10, "51", ""), (BarRole.CrossTiesX, 10, "99", ""),
            (BarRole.Dowels, 4, "11", ""));
        list[0].Shape.B.Should().BeApproximately(2.25, 1e-12, "2.4 m less two side covers");

        // Pedestal 1.3 m high: bars stand on the mat, 500 − 75 − 32 = 393 mm, and end 50 mm below its top.
        list[4].Shape.A.Should().BeApproximately(1.645, 1e-9, "393 + 1300 − 50 = 1643, cut in steps of 5 mm");
        list[5].Shape.A.Should().BeApproximately(0.35, 1e-12);
        list[7].Shape.A.Should().BeGreaterThan(1.693, "to the pedestal's top and a lap beyond");
        Quantities.Of(project, project.Foundations[0], design).Steel.Should().BeApproximately(list.Sum(g => g.Mass), 1e-9,
            "one source for the mass of steel");
    }

    [Fact]
    public void A_round_pedestal_has_hoops_and_a_socket_pairs_of_ties()
    {
        var rules = Rules with
        {
            Ground = DefaultGround with { FoundingDepth = 2.0 },
            Pedestal = new PedestalRules { Under = PedestalUnder.All, Height = 1.0, Round = true }
        };
        var project = OneAction(new SupportAction(500, 0, 0, 0, 0, 0), rules);
        var hoop = BarList.Of(project, project.Foundations[0],
            Design(2, 2, 0.5) with { Pedestal = new Pedestal(0.6, 0.6, true, Bars("8 T20"), Bars("T10 @ 200 mm")) })
            .Single(g => g.Role == BarRole.Ties);
        hoop.Count.Should().Be(6);

        // π·(500 − 10) + 150 and two hooks of 75 beyond bends of 4 db: 75 + π/2·25 each.
        hoop.Shape.Code.Should().Be("99");
        hoop.Shape.Length.Should().BeApproximately((Math.PI * 0.49) + 0.15 + (2 * (0.075 + (Math.PI / 2 * 0.025))), 0.005);
        hoop.Shape.Length.Should().BeGreaterThanOrEqualTo((Math.PI * 0.49) + 0.15 + (2 * (0.075 + (Math.PI / 2 * 0.025))) - 1e-9);

        var precast = Rules with
        {
            Ground = DefaultGround with { FoundingDepth = 2.0 },
            Pedestal = new PedestalRules { Sockets = new SocketRules { Used = true } }
        };
        var sockets = OneAction(new SupportAction(500, 0, 0, 0, 0, 0), precast);
        var ties =
            BarList.Of(sockets, sockets.Foundations[0],
                Design(2, 2,
                    0.5) with
                {
                    Pedestal = new Pedestal(1.1, 1.1, false, Bars("16 T16"),
                        Bars("T12 @ 100 mm"))
                    { Socket = new Socket(0.6, 0.25) }
                })
            .Where(g => g.Role is BarRole.Ties or BarRole.InnerTies).ToList();
        ties.Select(g => g.Count).Should().Equal([7, 7], "at 25, 125 … 525 mm and under the top cover");
        ties[0].Shape.A.Should().BeApproximately(1.0, 1e-12);
        ties[1].Shape.A.Should().BeApproximately(0.6 + (2 * (0.05 + 0.012)), 1e-12, "round the hollow, its cover outside it");
    }

    [Fact]
    public void Marks_of_bars_are_their_own_and_totals_add_up() =>
        Gen.Select(Gen.Double[1.5, 4], Gen.Double[1.5, 4], Gen.Int[6, 20], Gen.Int[6, 20], Gen.Int[1, 5]).List[1, 12].Sample(
        footings =>
        {
            var project = OneAction(new SupportAction(500, 0, 0, 0, 0, 0));
            var place = project.Foundations[0].Places[0];
            var designs =
                footings.Select((f, i) => (Foundation: project.Foundations[0] with
                {
                    Mark = $"F{i + 1}",
                    Places = [.. Enumerable.Repeat(place, f.Item5)]
                },
                    (FoundationDesign)Design(f.Item1, f.Item2, 0.5, $"{f.Item3} T16", $"{f.Item4} T20", "8 T12", "none"))).ToList();
            var schedule = BarSchedule.Of(project, designs);
            schedule.Rows.Should().HaveCount(3 * footings.Count);
            schedule.Rows.Select(r => r.BarMark).Should().OnlyHaveUniqueItems();
            schedule.Mass.Should().BeApproximately(schedule.Rows.Sum(r => r.Total * r.Group.Shape.Length * r.Group.Size.MassPerMetre),
                1e-6);
            schedule.Mass.Should().BeApproximately(FootingSchedule.Of(project, designs).Total.Steel, 1e-6);
            var bars = ScheduleTables.Of(project, designs)[1];
            bars.Rows.Sum(r => (double)r[^1]!).Should().BeApproximately((double)bars.Total![^1]!, 1e-6);
        },
        iter: 100);

    [Fact]
    public void Blinding_reaches_beyond_and_carbon_counts_what_is_stated()
    {
        var rules = Rules with { Concrete = DefaultConcrete with { BlindingBeyond = 0.1 } };
        var project = OneAction(new SupportAction(400, 0, 0, 0, 0, 0), rules);
        var q = Quantities.Of(project, project.Foundations[0], Design(2.4, 2.0, 0.5));
        q.Blinding.Should().BeApproximately(2.6 * 2.2 * 0.05, 1e-12);
        new CarbonFactors(300, null, 0.8).Of(q).Should().BeApproximately((300 * 2.4) + (0.8 * q.Steel), 1e-9);
        var designs = new[] { (project.Foundations[0], (FoundationDesign)Design(2.4, 2.0, 0.5)) };
        ScheduleTables.Of(project, designs)[2].Rows.Should().NotContain(r => (string)r[0]! == "embodied carbon", "no factor is stated");
        ScheduleTables.Of(project with { Carbon = new CarbonFactors(300) },
            designs)[2].Rows.Single(r => (string)r[0]! == "embodied carbon")[3].Should().Be("by the factors stated: concrete 300 kg/m3");
    }
}
