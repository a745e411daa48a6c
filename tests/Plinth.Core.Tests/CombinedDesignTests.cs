using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Schedules;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>What a combined footing's design says of itself: its outline, its bars as cut, its fields, its diagrams.</summary>
public class CombinedDesignTests
{
    private static readonly Gen<(double Length, double Low, double High)> Outlines = Gen.Select(Gen.Double[3, 9], Gen.Double[1, 4],
        Gen.Double[1, 4]);

    private static Project Pair(double span = 3, HeldValues? held = null)
    {
        var project = CombinedTests.Project(CombinedTests.Weightless, (0, 0, 0.4, 0.4, new(500, 0, 0, 0, 40, 0)),
            (span, 0, 0.5, 0.4, new(700, 0, 0, -30, 0, 0)));
        return held is null ? project : project with { Foundations = [project.Foundations[0] with { Held = held }] };
    }

    [Fact]
    public void Area_edges_and_centroid_are_those_of_the_polygon() => Outlines.Sample(o =>
    {
        var d = CombinedTests.Design(o.Length, o.Low, o.High, 0.6, default, 2);
        var corners = d.Outline.ToArray();
        var m = ConvexPolygon.Moments(corners);
        m.Area.Should().BeApproximately(d.Area, 1e-9);
        (m.X / m.Area).Should().BeApproximately(0, 1e-9);
        (m.Y / m.Area).Should().BeApproximately(0, 1e-9);
        corners.Zip(corners.Skip(1).Append(corners[0]))
            .Sum(e => Math.Sqrt(((e.First.X - e.Second.X) * (e.First.X - e.Second.X))
                + ((e.First.Y - e.Second.Y) * (e.First.Y - e.Second.Y))))
            .Should().BeApproximately(d.Perimeter, 1e-9);

        // Every edge moved outwards by 0.2 m: the ends by as much along x, the long edges by as much across themselves.
        const double by = 0.2;
        var slope = (o.Low - o.High) / 2 / o.Length;
        double Wide(double fromLow, double half) => 2 * (half - (slope * fromLow) + (by * Math.Sqrt(1 + (slope * slope))));
        ((o.Length + (2 * by)) * (Wide(-by, o.Low / 2) + Wide(o.Length + by, o.Low / 2)) / 2).Should().BeApproximately(d.AreaWith(by),
            1e-9);
    });

    [Fact]
    public void Designs_are_equal_by_what_they_hold()
    {
        var (a, b) = (CombinedTests.Design(6, 2, 2, 0.6, default, 2), CombinedTests.Design(6, 2, 2, 0.6, default, 2));
        a.Should().Be(b);
        a.GetHashCode().Should().Be(b.GetHashCode());
        a.With(1, a.At[1] with { Band = Bars("10 T16") }).Should().NotBe(b);
        (a with { HighWidth = 1.9 }).Should().NotBe(b);
    }

    [Fact]
    public void Bars_are_cut_to_the_width_where_they_lie_and_none_is_lost() => Outlines.Sample(
        o =>
        {
            var project = Pair(o.Length - 1.5);
            var d = CombinedTests.Design(o.Length, o.Low, o.High, 0.6, default, 2, acrossTop: "T12 @ 250 mm");
            var t = CombinedTests.Trial(project, d);
            var mats = project.Foundations[0].Kind.Mats(project, project.Foundations[0], d);
            var across = mats.Where(m => m.Role == BarRole.BottomY).ToList();
            across.Sum(m => m.Layer.Count).Should().Be(t.Runs(false, true).Sum(r => r.Across.Count));
            t.Runs(false, true).Should().OnlyContain(r => r.Across.Count == r.Layer.Count);
            across.Max(m => m.Length).Should().BeLessThanOrEqualTo(Math.Max(o.Low, o.High) - (2 * t.Rules.Concrete.CoverSide) + 1e-9);
            foreach (var run in t.Runs(false, true))
            {
                var cut = across.Where(m => m.Where == run.Where)
                    .OrderByDescending(m => m.Length)
                    .SelectMany(m => Enumerable.Repeat(m.Length, m.Layer.Count))
                    .ToList();
                var room = run.Across.Select(x => t.Body.WidthAt(x) - (2 * t.Rules.Concrete.CoverSide)).OrderDescending().ToList();
                cut.Zip(room)
                    .Should().OnlyContain(c => c.First <= c.Second + 1e-9 && c.First > c.Second - 0.05 - 1e-9,
                        "the longest that fits, in steps of 50 mm");
            }

            var q = Quantities.Of(project, project.Foundations[0], d);
            q.Concrete.Should().BeApproximately(d.Area * 0.6, 1e-9);
            q.Steel.Should().BeApproximately(mats.Sum(m => Quantities.MassOf(project.Code, m.Layer, m.Length)), 1e-6);
        },
        iter: 60);

    [Fact]
    public void Bands_and_what_lies_between_share_the_length() => Outlines.Sample(
        o =>
        {
            var t = CombinedTests.Trial(Pair(o.Length - 1.5), CombinedTests.Design(o.Length, o.Low, o.High, 0.6, default, 2));
            var all = t.Runs(false, true).SelectMany(r => r.Across).ToList();
            all.Should().OnlyHaveUniqueItems().And.OnlyContain(x => x > t.Body.LowX && x < t.Body.HighX);
            foreach (var band in t.Bands)
            {
                t.RestAt().Should().NotContain(x => x > band.From && x < band.To, "bars between the bands stand in none");
            }
        },
        iter: 60);

    [Fact]
    public void The_diagram_closes_and_its_worst_sections_are_those_of_the_checks() =>
        Gen.Select(Gen.Double[2, 5], Gen.Double[-300, 300]).Sample(
        (span, moment) =>
        {
            var project = CombinedTests.Project(CombinedTests.Weightless, (0, 0, 0.4, 0.4, new(500, 10, 0, 0, moment, 0)),
                (span, 0, 0.5, 0.4, new(700, 0, 0, 20, moment / 2, 0)));
            var design = CombinedTests.Design(span + 2, 2.2, 2.2, 0.6, default, 2);
            var t = CombinedTests.Trial(project, design);
            if (t.Along(0) is not { } d)
            {
                return;
            }

            d.Points[0].Shear.Should().BeApproximately(0, 1e-6);
            d.Points[^1].Shear.Should().BeApproximately(0, 1e-6);
            d.Points[^1].Moment.Should().BeApproximately(0, 1e-6);
            d.Points.Select(p => p.At).Should().BeInAscendingOrder();
            var result = Check(project, design);
            var bending = d.Sections.Where(s => s.Mark != SpanMark.Shear).ToList();
            result.Of("flexure-bottom-x").Outcome.Demand.Should().BeApproximately(Math.Max(0, bending.Max(s => s.Moment)), 1e-6);
            result.Of("flexure-top-x").Outcome.Demand.Should().BeApproximately(Math.Max(0, -bending.Min(s => s.Moment)), 1e-6);
            result.Of("one-way-shear-x").Utilisation.Should().BeApproximately(d.Sections.Where(s => s.Mark == SpanMark.Shear)
                .Max(s => s.Demand / s.Strength), 1e-6);
            result.Checks.Where(c => c.Id == "flexure-bottom-y")
                .Max(c => c.Outcome.Demand)
                .Should().BeApproximately(d.Bands.Max(b => b.Moment), 1e-6);
        },
        iter: 60);

    [Fact]
    public void Fields_put_back_what_they_get() => Outlines.Sample(o =>
    {
        var kind = CombinedTests.Combined;
        var d = CombinedTests.Design(o.Length, o.Low, o.High, 0.6, new PlanPoint(0.1, -0.05), 2, acrossTop: "T12 @ 250 mm")
            .With(1,
                new ColumnDesign("C2", Bars("11 T20"),
                    new Upright(new Pedestal(0.6, 0.6, false, Bars("8 T20"), Bars("T10 @ 150 mm")), Bars("8 T16"))));
        FoundationDesign again = kind.Blank(["C1", "C2"]);
        foreach (var field in kind.Fields(["C1", "C2"]))
        {
            again = field.Get(d) is { } value ? field.Put(again, value) : again;
        }

        again.Should().Be(d);
    });

    [Fact]
    public void What_is_held_tells_what_differs()
    {
        var held = new HeldValues { Length = 6, Width = 2.4, EndWidth = 2.0, Trapezoid = true, EdgeX0 = new HeldEdge(false, 0.6) };
        var f = Pair(held: held).Foundations[0];
        var d = CombinedTests.Design(6, 2.4, 2.0, 0.6, default, 2);
        var fields = f.Kind.Fields(f.Places[0]).ToDictionary(x => x.Key);
        fields["length"].Held(f, d)!.Value.Value.Should().Be(new FieldValue.Length(6));
        fields["width"].Held(f, d)!.Value.Value.Should().Be(new FieldValue.Ends(2.4, 2.0));
        var x = ((FieldValue.Length)fields["offset-x"].Held(f, d)!.Value.Value).Metres;
        (x + CombinedDesign.TrapezoidCentroid(6, 2.4, 2.0)).Should().BeApproximately(2.1, 1e-9,
            "the −x end lies 0.6 m before the first column, 1.5 m before the middle");
        fields["offset-y"].Held(f, d).Should().BeNull();
    }

    [Fact]
    public void Impossible_plans_are_named_by_their_key()
    {
        var project = Pair();
        (string Key, string Message)? Fault(CombinedDesign d) =>
            project.Foundations[0].Kind.FaultOfPlan(project.Foundations[0], d, project.Units);
        Fault(CombinedTests.Design(6, 2, 2, 0.6, default, 2)).Should().BeNull();
        Fault(CombinedTests.Design(3, 2, 2, 0.6, default, 2))!.Value.Key.Should().Be("length");
        Fault(CombinedTests.Design(6, 0.3, 0.3, 0.6, default, 2))!.Value.Key.Should().Be("width");
        Fault(CombinedTests.Design(6, 5, 1, 0.6, default, 2))!.Value.Message.Should().Contain("more than 4 times");
        var bare = CombinedTests.Design(6, 2, 2, 0.6, default, 2);
        Fault(bare.With(0, bare.At[0] with { Band = BarSpec.None }))!.Value.Key.Should().Be("bottom-y.at.C1");

        // Side by side: one band, under the first.
        var beside = CombinedTests.Project(CombinedTests.Weightless, (0, -0.4, 0.4, 0.4, new(500, 0, 0, 0, 0, 0)),
            (0.1, 0.4, 0.4, 0.4, new(500, 0, 0, 0, 0, 0)));
        var turned = beside.Foundations[0] with { Places = [beside.Foundations[0].Places[0] with { AngleDegrees = 0 }] };
        turned.Kind.FaultOfPlan(turned, CombinedTests.Design(4, 3, 3, 0.6, default, 2), beside.Units)!.Value.Message.Should().Contain(
            "shares its band of bars across");
    }

    [Fact]
    public void All_that_is_held_needs_no_table()
    {
        var own = new Dictionary<string, FieldValue>
        {
            ["bottom-y.at.C1"] = new FieldValue.Bars(Bars("9 T16")),
            ["bottom-y.at.C2"] = new FieldValue.Bars(Bars("9 T16")),
            ["bottom-y.rest"] = new FieldValue.Bars(Bars("T12 @ 200 mm"))
        };
        var held = new HeldValues
        {
            Length = 6,
            Width = 2.2,
            Thickness = 0.6,
            OffsetX = -0.1,
            OffsetXGiven = true,
            OffsetYGiven = true,
            BottomX = Bars("14 T20"),
            TopX = Bars("14 T20"),
            Own = System.Collections.Immutable.ImmutableDictionary.CreateRange(own)
        };
        var f = Pair(held: held).Foundations[0];
        f.Kind.AllHeld(f).Should().Be(CombinedTests.Design(6, 2.2, 2.2, 0.6, new PlanPoint(-0.1, 0), 2));
        var open = f with { Held = held with { Length = null } };
        open.Kind.AllHeld(open).Should().BeNull();
    }
}
