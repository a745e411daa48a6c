using CsCheck;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Bars by the typical bends of US practice, and ties where anchor rods end.</summary>
public class BendTests
{
    private static readonly ConcreteCode Inch318 = ConcreteCodes.Find("aci318-19")!;

    private static BarSize Size(string name) => Sizes(name)[0];

    [Fact]
    public void Hooks_of_the_table_of_standard_hooks()
    {
        // ACI 315, hooks of 90°: #3 6, #4 8, #5 10, #6 12, #7 14, #8 16 in; stirrup hooks of 135° on #3 and #4 by 318 25.3.2.
        foreach (var (name, inches) in new[] { ("#3", 6.0), ("#4", 8), ("#5", 10), ("#6", 12), ("#7", 14), ("#8", 16) })
        {
            var bar = Size(name);
            var group = new BarGroup(BarRole.BottomX, bar, 4,
                BarShape.TwoBends(bar, Inch318.HookHeight(bar.Diameter), 2, Inch318.BendDiameter(bar.Diameter) / 2), "B1");
            var bend = TypicalBend.Of(group);
            (bend.Type, bend.B).Should().Be(("2", 2.0));
            bend.A.Should().BeApproximately(inches * 0.0254, 1e-9, name);
            bend.G.Should().Be(bend.A);
        }
    }

    [Fact]
    public void Every_shape_has_its_letters()
    {
        var bar = Size("#3");
        TypicalBend Of(BarRole role, BarShape shape) => TypicalBend.Of(new BarGroup(role, bar, 1, shape, ""));
        Of(BarRole.BottomX, BarShape.Straight(2)).Should().Be(new TypicalBend("str", B: 2));
        var foot = BarShape.OneBend(bar, 0.2, 1, 0.02);
        Of(BarRole.Dowels, foot).Should().Be(new TypicalBend("2", A: foot.B, B: foot.A));
        var tie = BarShape.Closed(bar, 0.4, 0.6, 0.1, 0.02);
        Of(BarRole.Ties, tie).Should().Be(new TypicalBend("T1", A: tie.C, B: 0.4, C: 0.6, D: 0.4, E: 0.6, G: tie.C));
        var hoop = BarShape.Hoop(bar, 0.5, 0.15, 0.1, 0.02);
        Of(BarRole.Ties, hoop).Should().Be(new TypicalBend("T3", A: hoop.C, B: hoop.B, G: hoop.C, O: 0.5));
        var cross = BarShape.CrossTie(bar, 0.4, 0.1, 0.02);
        Of(BarRole.CrossTiesX, cross).Should().Be(new TypicalBend("T9", A: cross.C, B: 0.4, G: cross.B));
        cross.C.Should().BeGreaterThan(cross.B, "bent on to 135° the hook takes more bar");
    }

    [Fact]
    public void The_schedule_in_feet_has_the_bends_and_the_same_bars_as_in_metres()
    {
        var rules = Rules with
        {
            Column = new ColumnRules { Strength = 30e3 },
            Pedestal = new PedestalRules { Under = PedestalUnder.All, Height = 0.6 }
        };
        var project = OneAction(new SupportAction(500, 0, 0, 0, 40, 0), rules, code: "aci318-19");
        var design = Design(2.4384, 2.4384, 0.508, "9 #5",
            "9 #5") with
        { Pedestal = new Pedestal(0.508, 0.508, false, Bars("8 #6"), Bars("#3 @ 10 in")), Dowels = Bars("4 #6") };
        var f = project.Foundations[0];
        var us = ScheduleTables.Of(project with { Units = UnitSystem.Us }, [(f, design)]);
        var metric = ScheduleTables.Of(project, [(f, design)]);
        string Cell(DataTable t, int row, string title) =>
            t.Columns.Single(c => c.Title == title) is var column && t.Columns.ToList().IndexOf(column) is var at
                ? column.Words(t.Rows[row][at])
                : "";
        (Cell(us[0], 0, "length"), Cell(us[0], 0, "thickness"), Cell(us[0], 0, "bottom of footing")).Should().Be(("8'-0\"", "20\"",
            "−3'-3 3/8\""));
        (Cell(metric[0], 0, "length"), Cell(metric[0], 0, "thickness"), Cell(metric[0], 0, "underside")).Should().Be(("2.438", "508",
            "−1.000"));
        Cell(us[0], 0, "pedestal").Should().Be("20\" × 20\"");
        Cell(us[0], 0, "ties").Should().Be("#3 @ 10\"");
        Enumerable.Range(0, us[1].Rows.Count).Select(r => Cell(us[1], r, "bend")).Should().Equal("str", "str", "2", "T1", "T9", "T9", "2");
        Enumerable.Range(0, metric[1].Rows.Count)
            .Select(r => Cell(metric[1], r, "shape"))
            .Should().Equal("00", "00", "11", "51", "99", "99", "11");
        us[1].Columns.Select(c => c.Title).Should().ContainInOrder("length", "bend", "A", "B", "C", "D", "E", "G", "O", "mass");
        us[1].Notes[0].Should().Contain("ACI 315");

        // The same bars: masses in pounds are those in kilograms.
        var (lb, kg) = ((double)us[1].Total![^1]!, (double)metric[1].Total![^1]!);
        (lb * 0.45359237).Should().BeApproximately(kg, 1e-6);
        us[2].Rows.Select(r => (string)r[0]!).Should().Contain("mud slab").And.NotContain("blinding");
        ((double)us[2].Rows[0][1]!).Should().BeApproximately((double)metric[2].Rows[0][1]! / (27 * Math.Pow(0.3048, 3)), 1e-6);
    }

    [Fact]
    public void Tables_hold_plain_numbers_and_show_them_as_people_read_them()
    {
        var feet = new TableColumn("length", "ft", 2, 9) { Form = ColumnForm.Feet };
        (feet.Heading, feet.Shown, feet.Words(9.5), feet.Words(null), feet.Words("—")).Should().Be(("length (ft)", "length", "9'-6\"", "",
            "—"));
        var inches = new TableColumn("thickness", "in", 1, 9) { Form = ColumnForm.Inches };
        (inches.Shown, inches.Words(30.0)).Should().Be(("thickness", "30\""));
        var bar = new TableColumn("a", "in", 2, 9) { Form = ColumnForm.Bar };
        (bar.Words(10.25), bar.Words(54.0)).Should().Be(("10 1/4\"", "4'-6\""));
        var metric = new TableColumn("length", "m", 3, 9);
        (metric.Shown, metric.Words(-2.4), metric.Words(7)).Should().Be(("length (m)", "−2.400", "7"));
        var table = new DataTable("T", "T", [metric, feet, bar], [[1.0, null, "—"], [2.0, "", "x"]], null, []);
        table.Filled.Should().Equal(0, 2);
    }

    [Fact]
    public void Ties_round_anchor_rods_are_as_many_as_asked_and_no_more_than_that_beside_their_spacing() =>
        Gen.Select(Gen.Double[0.35, 1.6], Gen.Int[3, 16], Gen.OneOf(Gen.Const("#3"), Gen.Const("#4")), Gen.Double[0.035, 0.075]).Sample(
            (height, spacing, size, cover) =>
            {
                var tie = Size(size);
                var rules = Rules with { Pedestal = new PedestalRules { Cover = cover } };
                var pedestal = new Pedestal(0.55, 0.55, false, Bars("8 #6"), Bars($"{size} @ {spacing} in"));
                var steel = PedestalTies.Of(Inch318, rules, Column() with { Shape = ColumnShape.Steel }, pedestal, height).Levels;
                var plain = PedestalTies.Of(Inch318, rules, Column(), pedestal, height).Levels;
                var (within, count) = Inch318.TopTies(tie.Diameter);
                steel.Should().BeInAscendingOrder().And.OnlyContain(l => l > 0 && l <= height - cover + 1e-9);
                steel.Count(l => l >= height - within - 1e-9).Should().BeGreaterThanOrEqualTo(count, "within 5 in of the top (10.7.6.1.6)");
                steel.Count.Should().BeLessThanOrEqualTo(plain.Count + count);

                // Nowhere farther apart than asked.
                for (var i = 1; i < steel.Count; i++)
                {
                    (steel[i] - steel[i - 1]).Should().BeLessThanOrEqualTo((spacing * 0.0254) + tie.Diameter + 1e-9);
                }
            },
            iter: 500);

    [Fact]
    public void A_tie_a_hair_below_the_zone_of_the_rods_is_moved_into_it()
    {
        // 36 in high, ties at 10 in: one stands 0.4 mm below the five inches, nearer than its thickness to where one is wanted.
        var rules = Rules with { Pedestal = new PedestalRules { Cover = 0.0508 } };
        var levels = PedestalTies.Of(Inch318, rules, Column() with { Shape = ColumnShape.Steel },
            new Pedestal(0.5588, 0.5588, false, Bars("8 #5"), Bars("#3 @ 10 in")), 0.9144).Levels;
        levels.Should().HaveCount(6).And.ContainSingle(l => Math.Abs(l - (0.9144 - 0.127)) < 1e-9);
    }

    [Fact]
    public void Rods_stand_in_two_rows_within_the_plate() => Gen.Select(Gen.Int[1, 5], Gen.Double[0.25, 0.6], Gen.Double[0.25, 0.6]).Sample(
        (half, x, y) =>
        {
            var rods = new BasePlate(0.025, 0.04, 2 * half, 0.02, 0.3, 0.04).RodsOn(x, y);
            rods.Should().HaveCount(2 * half);
            rods.Should().OnlyContain(r => Math.Abs(r.X) <= (x / 2) - 0.04 + 1e-9 && Math.Abs(Math.Abs(r.Y) - ((y / 2) - 0.04)) < 1e-9);
            rods.Sum(r => r.X).Should().BeApproximately(0, 1e-9);
            rods.Sum(r => r.Y).Should().BeApproximately(0, 1e-9);
            rods.Distinct().Should().HaveCount(2 * half);
        },
        iter: 100);
}
