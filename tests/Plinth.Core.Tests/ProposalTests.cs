using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>What is proposed in place of bases that overlap, or of one for which nothing was found.</summary>
public class ProposalTests
{
    private static Foundation Under(string label, double x, double y, HeldValues? held = null, double angle = 0)
    {
        var support = Column(0.4, 0.4) with { Label = label, X = x, Y = y, AngleDegrees = angle };
        return new Foundation("F" + label, [new Place(support, angle, Rules.Ground)], false, held ?? HeldValues.Nothing, Rules);
    }

    private static Project Of(params Foundation[] foundations) =>
        OneAction(default, Rules) with { Supports = [.. foundations.SelectMany(f => f.Supports)], Foundations = foundations };

    private static NearBases Overlap(string a, string b, double gap = -0.2) => new("F" + a, a, "F" + b, b, gap, false);

    private static FoundationReport Nothing(Foundation f) =>
        new(f, null, null, "none found", new SizingStop("bearing", f.Places[0].Name, null, 1.2, "", null));

    private static string[] Rows(IEnumerable<Proposal> found) => [.. found.Select(p => string.Join('+', p.Supports.Select(s => s.Label)))];

    [Fact]
    public void Bases_that_overlap_are_proposed_as_one_in_the_order_of_their_line()
    {
        var found = Proposals.Of(Of(Under("B", 3, 0), Under("A", 0, 0)), [Overlap("B", "A")], []);
        found.Should().ContainSingle();
        Rows(found).Should().Equal("A+B");
        found[0].Kind.UnderSeveral.Should().BeTrue();
        found[0].Held.Should().Be(HeldValues.Nothing);
        found[0].Case.Cause.Should().Be(ProposalCause.Overlap);
    }

    [Fact]
    public void A_row_of_three_is_proposed_whole_and_in_pairs_and_columns_round_a_corner_only_in_pairs()
    {
        var row = Of(Under("A", 0, 0), Under("B", 2, 0.1), Under("C", 4, 0));
        Rows(Proposals.Of(row, [Overlap("A", "B"), Overlap("B", "C", -0.3)], [])).Should().Equal("A+B+C", "B+C", "A+B");
        var corner = Of(Under("A", 0, 0), Under("B", 2, 0), Under("C", 2, 2));
        Rows(Proposals.Of(corner, [Overlap("A", "B"), Overlap("B", "C")], [])).Should().Equal("A+B", "B+C");
    }

    [Fact]
    public void What_is_built_and_two_columns_at_one_point_are_not_combined()
    {
        var built = Under("B", 3, 0) with { Held = new HeldValues { Built = true } };
        Proposals.Of(Of(Under("A", 0, 0), built), [Overlap("A", "B")], []).Should().BeEmpty();
        var loaded = Under("B", 3, 0) with { Loads = [new PlanLoad(0, PlanLoadShape.WholeBase, 5, 0, 0, 0, 0)] };
        Proposals.Of(Of(Under("A", 0, 0), loaded), [Overlap("A", "B")], []).Should().BeEmpty("its load would be lost");
        Proposals.Of(Of(Under("A", 0, 0), Under("B", 0, 0)), [Overlap("A", "B")], []).Should().BeEmpty();
    }

    [Fact]
    public void A_base_at_an_edge_for_which_nothing_was_found_takes_its_inner_neighbour_and_keeps_its_edge()
    {
        // The edge lies to the west; the nearest column stands along it, the next inward.
        var edge = Under("A", 0, 0, new HeldValues { EdgeX0 = new HeldEdge(false, 0.3) });
        var found = Proposals.Of(Of(edge, Under("N", 0, 2), Under("B", 5, 0.2), Under("C", 9, 0)), [], [Nothing(edge)]);
        Rows(found).Should().Equal("A+B", "A+B", "A+B");
        found.Select(p => (p.Kind.Id, p.Held.Trapezoid)).Should().Equal(("combined", false), ("combined", true), ("strap", false));
        found.Should().OnlyContain(p => p.Case.Cause == ProposalCause.NothingFound);
    }

    [Fact]
    public void An_edge_keeps_its_place_whichever_way_the_base_and_its_neighbour_lie() =>
        Gen.Select(Gen.Int[0, 3], Gen.Int[0, 3], Gen.Double[0.2, 0.6], Gen.Double[2, 6]).Sample((wall, turned, distance, span) =>
    {
        // The wall lies `wall` quarter turns from the west, the base's own axes `turned`.
        var edge = new HeldEdge(false, distance);
        var held = ((wall - turned + 4) % 4) switch
        {
            0 => new HeldValues { EdgeX0 = edge },
            1 => new HeldValues { EdgeY0 = edge },
            2 => new HeldValues { EdgeX1 = edge },
            _ => new HeldValues { EdgeY1 = edge },
        };
        var (x, y) = wall switch { 0 => (span, 0.0), 1 => (0, span), 2 => (-span, 0), _ => (0, -span) };
        var confined = Under("A", 0, 0, held, 90 * turned);
        var found = Proposals.Of(Of(confined, Under("B", x, y)), [], [Nothing(confined)]);
        Rows(found).Should().Equal("A+B", "A+B", "A+B");
        found[0].Held.Should().Be(new HeldValues { EdgeX0 = edge });
        found[2].Kind.Id.Should().Be("strap");
        found[2].Held.Should().Be(new HeldValues { EdgeX0 = edge });
    });

    [Fact]
    public void A_strap_is_proposed_where_the_one_edge_lies_behind_the_column_of_either_base_that_overlap()
    {
        var edge = new HeldEdge(false, 0.3);
        var (confined, free) = (Under("A", 0, 0, new HeldValues { EdgeX0 = edge }), Under("B", 5, 0));
        IEnumerable<Proposal> Straps(params Foundation[] stand) => Proposals.Of(Of(stand), [Overlap("A", "B")], [])
            .Where(p => p.Kind.Id == "strap");
        Rows(Straps(confined, free)).Should().Equal("A+B");
        Rows(Straps(free, confined)).Should().Equal("A+B");
        Straps(confined, free).Single().Held.Should().Be(new HeldValues { EdgeX0 = edge });
        Straps(Under("A", 0, 0, new HeldValues { EdgeX0 = new HeldEdge(true, 0) }), free).Single().Held.Should().Be(HeldValues.Nothing,
            "an edge base is flush with its column where nothing is said");
        Straps(Under("A", 0, 0, new HeldValues { EdgeY0 = edge }), free).Should().BeEmpty("the edge lies beside the line of both columns");
        Straps(Under("A", 0, 0, new HeldValues { EdgeX0 = edge, EdgeY0 = edge }), free).Should().BeEmpty("a strap's base holds one edge");
        Straps(Under("A", 0, 0), free).Should().BeEmpty("nothing confines either");
    }

    [Fact]
    public void Edges_along_a_row_hold_the_long_side_at_the_nearer_of_them()
    {
        var (a, b) = (Under("A", 0, 0, new HeldValues { EdgeY0 = new HeldEdge(false, 0.5) }),
            Under("B", 3, 0, new HeldValues { EdgeY0 = new HeldEdge(false, 0.4) }));
        var found = Proposals.Of(Of(a, b), [Overlap("A", "B")], []);
        found.Should().ContainSingle().Which.Held.Should().Be(new HeldValues { EdgeY0 = new HeldEdge(false, 0.4) });
        var between = Under("B", 3, 0, new HeldValues { EdgeX0 = new HeldEdge(false, 0.4) });
        Proposals.Of(Of(a, between), [Overlap("A", "B")], []).Should().BeEmpty("the edge lies between the columns");
    }

    [Fact]
    public void A_base_between_two_walls_is_no_trapezoid()
    {
        var edge = new HeldEdge(false, 0.5);
        var confined = Under("A", 0, 0, new HeldValues { EdgeX0 = edge, EdgeY0 = edge, EdgeY1 = edge });
        var found = Proposals.Of(Of(confined, Under("B", 4, 0)), [], [Nothing(confined)]);
        found.Should().ContainSingle().Which.Held.Should().Be(new HeldValues { EdgeX0 = edge, EdgeY0 = edge, EdgeY1 = edge });
    }

    [Fact]
    public void Where_grounds_differ_the_weakest_is_named()
    {
        Foundation On(string label, double x, string ground, double bearing)
        {
            var f = Under(label, x, 0);
            return f with { Places = [f.Places[0] with { Ground = Rules.Ground with { Name = ground, Bearing = bearing } }] };
        }

        Proposals.Of(Of(On("A", 0, "", 200), On("B", 3, "soft", 100)), [Overlap("A", "B")], []).Single().Ground.Should().Be("soft");
        Proposals.Of(Of(On("A", 0, "", 100), On("B", 3, "firm", 200)), [Overlap("A", "B")], [])
            .Should().BeEmpty("the weaker ground has no name");
        Proposals.Of(Of(On("A", 0, "firm", 200), On("B", 3, "firm", 200)), [Overlap("A", "B")], []).Single().Ground.Should().BeNull();
    }
}
