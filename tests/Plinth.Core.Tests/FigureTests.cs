using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Tracing;

namespace Plinth.Core.Tests;

/// <summary>What figures show is what the checks compute.</summary>
public class FigureTests
{
    private static Trial State(SupportAction action, IsolatedDesign design, HeldValues? held = null, Buildings.RuleSet? rules = null)
    {
        var project = Given.OneAction(action, held: held, rules: rules);
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        return checker.Trials[0];
    }

    private static readonly Gen<SupportAction> Actions = Gen.Select(Gen.Double[200, 900], Gen.Double[-40, 40], Gen.Double[-40, 40],
        Gen.Double[-90, 90], Gen.Double[-90, 90], (n, fx, fy, mx, my) => new SupportAction(n, fx, fy, mx, my, 0));

    [Fact]
    public void Corners_and_zero_line_of_a_lifted_base_are_the_closed_form()
    {
        // 2 m × 2 m × 0.5 m weighs 48 kN, 0.5 m of soil beside the column 34.56; N 317.44 makes 400; My 240: e = 0.6 m beyond the kern,
        // 3·(1 − 0.6) = 1.2 m bear, peak 2N/(B·1.2) = 333.3 kPa.
        var f = ContactFigure.Of(State(new SupportAction(317.44, 0, 0, 0, 240, 0), Given.Design(2, 2, 0.5)).Body, 0);
        f.State.Should().Be(ContactState.Partial);
        f.N.Should().BeApproximately(400, 1e-9);
        f.Resultant.X.Should().BeApproximately(0.6, 1e-9);
        f.Corners.Should().BeEquivalentTo([0, 333.333, 333.333, 0],
            o => o.WithStrictOrdering().Using<double>(c => c.Subject.Should().BeApproximately(c.Expectation, 1e-3)).WhenTypeIs<double>());
        f.ZeroLine.Should().HaveCount(2).And.OnlyContain(p => Math.Abs(p.X - (1 - 1.2)) < 1e-9);
        f.ZeroLine.Select(p => Math.Abs(p.Y)).Should().OnlyContain(y => Math.Abs(y - 1) < 1e-9);
        f.Share.Should().BeApproximately(0.6, 1e-9);
        f.Most.Should().BeApproximately(333.333, 1e-3);
    }

    [Fact]
    public void Bands_of_pressure_cover_the_part_that_bears_and_no_more() => Actions.Sample(
        action =>
        {
            var f = ContactFigure.Of(State(action, Given.Design(2.2, 1.8, 0.5)).Body, 0);
            if (f.State == ContactState.NoEquilibrium)
            {
                return;
            }

            const int bands = 6;
            var area = Enumerable.Range(0, bands)
                .Sum(
                    i => Area(ContactFigure.Between(f.Pieces.Single(), f.Most * i / bands,
                        f.Most * (i + 1) / bands * (i + 1 == bands ? 1 + 1e-9 : 1))));
            f.Pieces.Single().Outline.Should().Equal(new PlanPoint(-1.1, -0.9), new(1.1, -0.9), new(1.1, 0.9), new(-1.1, 0.9));
            area.Should().BeApproximately(f.Share * 2.2 * 1.8, 1e-6);
        },
        iter: 300);

    private static double Area(IReadOnlyList<PlanPoint> corners) => corners.Count < 3 ? 0 : PlanPolygon.DoubleArea(corners) / 2;

    [Fact]
    public void Shear_and_moment_jump_at_the_column_by_what_it_brings_and_vanish_at_the_edges() =>
        Gen.Select(Actions, Gen.Double[-0.4, 0.4], Gen.Bool).Sample(
        (action, offset, alongX) =>
        {
            var s = State(action, Given.Design(2.4, 2.0, 0.5),
                new HeldValues { OffsetX = alongX ? offset : 0, OffsetY = alongX ? 0 : offset });
            if (ForceDiagram.Of(s, 0, alongX) is not { } d)
            {
                return;
            }

            (Math.Abs(d.Points[0].Shear) + Math.Abs(d.Points[0].Moment) + Math.Abs(d.Points[^1].Shear)
                + Math.Abs(d.Points[^1].Moment)).Should().BeLessThan(1e-9, "nothing lies beyond the edges");
            var column = alongX ? s.Columns[0].X : s.Columns[0].Y;
            var at = d.Points.Where(p => Math.Abs(p.At - column) < 1e-12).ToList();
            at.Should().HaveCount(2);

            // Base and soil press evenly on the whole and are no part of the jump; the soil that the column displaces is.
            (at[0].Shear - at[1].Shear).Should().BeApproximately(action.N + s.Columns[0].PrismWeight(0), 1e-6);
            var moment = alongX ? s.Columns[0].My(0) : -s.Columns[0].Mx(0);
            (at[1].Moment - at[0].Moment).Should().BeApproximately(moment, 1e-6);
        },
        iter: 500);

    [Theory]
    [InlineData("isolated")]
    [InlineData("cap")]
    [InlineData("wall")]
    [InlineData("retaining")]
    public void Diagrams_reach_from_edge_to_edge_of_any_outline(string kind) =>
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[-1, 1]).Sample(
        (a, b, c) =>
        {
            var project = SomeKinds.Of(kind, a, b, c);
            if (FoundationSizer.Of(project, project.Foundations[0]).Size().Design is not { } design)
            {
                return;
            }

            var checker = new Checker(project, project.Foundations[0]);
            checker.Set(design);
            var s = checker.Trials[0];
            foreach (var (k, alongX) in Enumerable.Range(0, s.Combinations.Length).SelectMany(k => new[] { (k, true), (k, false) }))
            {
                if (ForceDiagram.Of(s, k, alongX) is not { } d)
                {
                    continue;
                }

                var along = s.Body.Outline.ToArray().Select(p => alongX ? p.X : p.Y).ToList();
                d.Ends.Low.Should().BeApproximately(along.Min(), 1e-9);
                d.Ends.High.Should().BeApproximately(along.Max(), 1e-9);
                (d.Points[0].At, d.Points[^1].At).Should().Be(d.Ends);
                d.Points.Zip(d.Points.Skip(1), (p, q) => q.At - p.At).Min().Should().BeGreaterThanOrEqualTo(-1e-12);
                var most = d.Points.Max(p => Math.Abs(p.Shear));
                Math.Max(Math.Abs(d.Points[0].Shear), Math.Abs(d.Points[^1].Shear)).Should().BeLessThan(1e-9 * (1 + most),
                    $"nothing lies beyond the edges of {design}");
                foreach (var section in (CheckedSection[])[.. d.Moments, .. d.MomentsTop, .. d.Shears])
                {
                    section.At.Should().BeInRange(d.Ends.Low, d.Ends.High);
                }

                // The curve passes through what is marked at the faces.
                foreach (var m in d.Moments.Where(m => m.Demand > 0))
                {
                    d.Points.Where(p => Math.Abs(p.At - m.At) < 1e-9).Should().Contain(p => Math.Abs(p.Moment - m.Demand) < 1e-6);
                }
            }
        },
        iter: kind == "cap" ? 12 : 4);

    [Fact]
    public void What_is_marked_on_the_diagrams_is_what_the_checks_found() => Actions.Sample(
        action =>
        {
            var design = Given.Design(2.4, 2.0, 0.5);
            var project = Given.OneAction(action);
            var result = Given.Check(project, design);
            var s = State(action, design);
            foreach (var alongX in new[] { true, false })
            {
                if (ForceDiagram.Of(s, 0, alongX) is not { } d)
                {
                    continue;
                }

                var axis = alongX ? "x" : "y";
                var flexure = result.Of("flexure-bottom-" + axis);
                d.Moments.Max(m => m.Demand).Should().BeApproximately(flexure.Outcome.Demand, 1e-9);
                d.MomentStrength.Should().Be(flexure.Outcome.Capacity);
                if (result.Of("one-way-shear-" + axis) is { Outcome: { Face: Face.Bottom, Demand: > 0 } shear })
                {
                    d.Shears.Max(v => v.Demand).Should().BeApproximately(shear.Demand, 1e-9);
                    d.ShearStrength.Should().Be(shear.Capacity);
                }

                // The curve passes through the points that are marked.
                foreach (var m in d.Moments)
                {
                    d.Points.Min(p => Math.Abs(p.At - m.At)).Should().BeLessThan(1e-9);
                }
            }
        },
        iter: 200);

    [Fact]
    public void The_worst_corner_of_the_punching_section_is_the_check_and_opposite_corners_mean_the_direct_stress() => Actions.Sample(
        action =>
        {
            var design = Given.Design(2.4, 2.4, 0.5);
            var check = Given.Check(Given.OneAction(action), design).Of("two-way-shear");
            if (PunchingFigure.Of(State(action, design).Punched[0], 0) is not { } f || f.Pulled)
            {
                return;
            }

            f.Stresses.Max()!.Value.Should().BeApproximately(check.Outcome.Demand, 1e-9 * Math.Abs(check.Outcome.Demand));
            f.Strength.Should().Be(check.Outcome.Capacity);
            ((f.Stresses[0] + f.Stresses[2]) / 2)!.Value.Should().BeApproximately(f.Shear / (f.Perimeter * f.Depth), 1e-6);
            ((f.Stresses[1] + f.Stresses[3]) / 2)!.Value.Should().BeApproximately(f.Shear / (f.Perimeter * f.Depth), 1e-6);
        },
        iter: 200);

    [Fact]
    public void A_corner_without_faces_has_no_stress()
    {
        var s = State(new SupportAction(300, 0, 0, 0, 0, 0), Given.Design(1.6, 1.6, 0.5), new HeldValues { OffsetX = 0.6, OffsetY = 0.6 });
        var f = PunchingFigure.Of(s.Punched[0], 0)!;
        (f.OpenX, f.OpenY).Should().Be((1, 1));
        f.Stresses.Select(v => v.HasValue).Should().Equal([true, true, false, true], "the corner at (+x, +y) is the base's own");
    }

    [Fact]
    public void The_steel_that_is_needed_carries_just_the_moment() =>
        Gen.Select(Actions, Gen.Double[1.6, 3.0], Gen.Double[1.6, 3.0]).Sample(
        (action, length, width) =>
        {
            var s = State(action, Given.Design(length, width, 0.5));
            foreach (var layer in SteelFigure.Of([s]).Where(l => l.Flexure > 0 && double.IsFinite(l.Flexure)))
            {
                var none = default(NoTrace);
                var (breadth, depth) = (layer.AlongX ? width : length, s.Spans(layer.AlongX)[0].Depth(layer.Bottom));
                var area = layer.Flexure / s.Spans(layer.AlongX)[0].ShortWayFactor;
                s.Code.Flexure(ref none, s.Rules.Concrete, s.Rules.Steel.Yield, area, breadth,
                    depth).Strength.Should().BeApproximately(layer.Moment, 1e-6 * layer.Moment);
                layer.Provided.Should().Be(13 * Given.Sizes("T16")[0].Area);
            }
        },
        iter: 200);

    [Fact]
    public void Enough_steel_by_the_figure_is_enough_by_the_check()
    {
        var (enough, lacking) = (0, 0);
        Gen.Select(Gen.Double[300, 2400], Gen.Double[0, 150], Gen.Int[4, 16]).Sample(
            (n, my, bars) =>
            {
                var (action, design) = (new SupportAction(n, 0, 0, 0, my, 0), Given.Design(2.4, 2.4, 0.5, $"{bars} T16", $"{bars} T16"));
                var result = Given.Check(Given.OneAction(action), design);
                foreach (var layer in SteelFigure.Of([State(action, design)]).Where(l => l.Bottom))
                {
                    var axis = layer.AlongX ? "x" : "y";
                    var carries = layer.Provided >= layer.Flexure;
                    carries.Should().Be(result.Of("flexure-bottom-" + axis).Passes);
                    (layer.Provided >= layer.Least).Should().Be(result.Of("minimum-steel-" + axis).Passes);
                    _ = carries ? Interlocked.Increment(ref enough) : Interlocked.Increment(ref lacking);
                }
            },
            iter: 300);
        (enough > 0 && lacking > 0).Should().BeTrue("there are bases of both sorts");
    }

    private static IsolatedDesign OnPedestal =>
        Given.Design(2.4, 2.4, 0.5) with { Pedestal = new Pedestal(0.5, 0.6, false, Given.Bars("8 T25"), Given.Bars("T10 @ 200 mm")) };

    private static readonly Buildings.RuleSet PedestalRules = Given.Rules with
    {
        Ground = Given.DefaultGround with { FoundingDepth = 1.5 },
        Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = 0 }
    };

    [Fact]
    public void Every_point_of_the_pedestals_strength_is_held_just_once_and_the_worst_load_is_the_check()
    {
        var action = new SupportAction(600, 30, -20, 40, 60, 0);
        var s = State(action, OnPedestal, rules: PedestalRules);
        var f = InteractionFigure.Of(s.Columns[0])!;
        var (bars, toCentre) = (new BarLayer(8, Given.Sizes("T25")[0]), 0.05 + 0.010 + 0.0125);
        var section = s.Code.Section(0.5, 0.6, false, ColumnSection.Around(0.5, 0.6, false, bars, toCentre), 30e3, 420e3);
        foreach (var (curve, x, y) in new[] { (f.AboutX, 1.0, 0.0), (f.AboutY, 0.0, 1.0) })
        {
            curve.Select(p => Times(p.N, p.M * x, p.M * y)).Should().OnlyContain(t => Math.Abs(t - 1) < 1e-6);
            curve.Max(p => p.N)
                .Should().BeApproximately(0.65 * 0.8 * section.Squash, 1e-6 * section.Squash, "the cap on axial force of tied columns");
        }

        f.Across.Should().NotBeEmpty();
        f.Across.Select(p => Times(f.Loads[0].N, p.N, p.M)).Should().OnlyContain(t => Math.Abs(t - 1) < 1e-5);
        var check = Given.Check(Given.OneAction(action, PedestalRules), OnPedestal).Of("pedestal");
        if (check.Note!.StartsWith("force with moments", StringComparison.Ordinal))
        {
            f.Loads[0].Utilisation.Should().BeApproximately(check.Utilisation, 1e-9);
        }

        f.Loads.Should().HaveCount(2, "at its foot and at its top");

        double Times(double n, double mx, double my)
        {
            var none = default(NoTrace);
            return s.Code.TimesHeld(ref none, section, n, mx, my);
        }
    }

    [Fact]
    public void Bars_lie_within_cover_evenly_or_in_their_band() =>
        Gen.Select(Gen.Int[2, 30], Gen.Double[1, 4], Gen.Double[1, 4], Gen.Int[0, 5]).Sample((count, breadth, span, beside) =>
    {
        var size = Given.Sizes("T16")[0];
        var even = BarPositions.Across(new BarLayer(count, size), breadth, 0.075, []);
        even.Should().HaveCount(count);
        even[0].Should().BeApproximately((-breadth / 2) + 0.075 + 0.008, 1e-12);
        even[^1].Should().BeApproximately(-even[0], 1e-12);
        var gap = (even[^1] - even[0]) / (count - 1);
        even.Zip(even.Skip(1), (a, b) => b - a).Should().OnlyContain(g => Math.Abs(g - gap) < 1e-9);

        // Across the longer side, the band as wide as the shorter.
        var (longer, shorter) = (Math.Max(breadth, span) + 0.5, Math.Min(breadth, span));
        var layer = new BarLayer(count + (2 * beside), size) { Band = count };
        var strips = BandedBars.Strips((longer / 2) - 0.075 - 0.008, [(-shorter / 2, shorter / 2)]);
        var banded = BarPositions.Across(layer, longer, 0.075, strips);
        banded.Should().HaveCount(count + (2 * beside)).And.BeInAscendingOrder();
        banded.Zip(banded.Reverse(), (a, b) => a + b).Should().OnlyContain(v => Math.Abs(v) < 1e-9, "they lie alike on both sides");
        banded.Count(p => Math.Abs(p) < shorter / 2).Should().BeGreaterThanOrEqualTo(count);
        if (beside > 0)
        {
            banded[^1].Should().BeApproximately((longer / 2) - 0.075 - 0.008, 1e-9);
        }
    });

    [Fact]
    public void A_change_of_a_schedule_is_said_by_what_reads_otherwise()
    {
        var project = Given.OneAction(new SupportAction(500, 0, 0, 0, 0, 0));
        var f = project.Foundations[0];
        var design = Given.Design(2, 2, 0.5);
        IReadOnlyList<ScheduleChange> Changes(Foundation now, IsolatedDesign wider) =>
            ScheduleChanges.Of(project, [(f, design)], project with { Foundations = [now] }, [(now, wider)]);
        Changes(f, design).Should().BeEmpty();
        Changes(f, Given.Design(2.2, 2, 0.5))
            .Single().Words.Should().StartWith("length 2.000 → 2.200; ").And.Contain("cut of bottom along x (B1)");
        Changes(f with { Rules = f.Rules with { Concrete = f.Rules.Concrete with { Strength = 35e3 } } }, design)
            .Single().Words.Should().Be("f'c 30 MPa → 35 MPa");
        var moved = f with { Places = [f.Places[0] with { Supports = [f.Places[0].Support with { X = 0.3 }] }] };
        Changes(moved, design).Single().Words.Should().Be("centre 0.000, 0.000 → 0.300, 0.000");
        var hardly = f with { Places = [f.Places[0] with { Supports = [f.Places[0].Support with { X = 0.005 }] }] };
        Changes(hardly, design).Single().Words.Should().Be("centre 0.000, 0.000 → 0.005, 0.000", "a base moves by whole 5 mm");
        var both = Changes(f with { Mark = "F2" }, design);
        both.Select(c => (c.Mark, c.Words)).Should().Equal(("F1", "no longer there"), ("F2", "new"));
    }
}
