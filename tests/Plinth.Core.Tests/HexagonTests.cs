using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Kinds.PileCap;
using Plinth.Core.Piles;
using Plinth.Core.Schedules;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Caps on three piles that are a triangle with its corners cut: two worked apart by a program written from the clauses alone, and what
/// holds for any of them.
/// </summary>
public class HexagonTests
{
    private static readonly PileRules Piles = new() { Size = 0.45, Compression = 1300, Tension = 120, Lateral = 45 };

    // N 2400, weights 28.8 and 21.6 kN/m3 with a factor of one, founded 1.5 m down, fc' 30, fy 420; piles 450 at 1350, edges 375 from them,
    // out of place by 75 mm.
    private static Project Project => PileCapTests.Project(
        Rules with
        {
            Ground = DefaultGround with { SoilWeight = 21.6, FoundingDepth = 1.5 },
            Concrete = DefaultConcrete with { Strength = 30e3, Weight = 28.8, CoverBottom = 0.075 },
            Piles = Piles
        },
        "aci318m-19",
        (0, 0.5, 0.5, new(2400, -20, -9.2, -40, -52, 0)));

    private static CapDesign Cap(double h, string alongX, string alongY) =>
        (PileCapTests.Design("3", 1.35, 1, 1, h, "2 T12") with { ToEdge = 0.375, BottomX = Bars(alongX), BottomY = Bars(alongY) }).Shaped();

    private static void Is(Checks.CheckResult actual, double demand, double capacity)
    {
        actual.Outcome.Demand.Should().BeApproximately(demand, 6e-4 * demand, actual.Id);
        actual.Outcome.Capacity.Should().BeApproximately(capacity, 6e-4 * capacity, actual.Id);
    }

    [Fact]
    public void A_deep_cap_with_straight_bars_along_x_and_hooked_ones_along_y()
    {
        var design = Cap(0.85, "15 T16", "14 T20 hooked");
        design.Area.Should().BeApproximately(2.795, 1e-3);
        (design.Size.Length, design.Size.Width).Should().Be((Math.Round(1.35 + (1.5 / Math.Sqrt(3)), 9),
            Math.Round((1.35 * Math.Sqrt(3) / 2) + 0.75, 9)));
        var t = PileCapTests.Trial(Project, design);
        Enumerable.Range(0, 3).Select(i => Math.Round(t.Group.Force(0, i), 1)).Should().Equal(872.1, 769.8, 862.2);
        t.Group.Spread(0, 0).Should().BeApproximately(160.64, 0.01);
        var result = Check(Project, design);
        Is(result.Of("flexure-bottom-x"), 427.79, 637.70);
        Is(result.Of("flexure-bottom-y"), 529.23, 698.25);
        Is(result.Of("one-way-shear-x"), 997.32, 4867.1);
        Is(result.Of("one-way-shear-y"), 1420.5, 5247.2);
        Is(result.Of("tie-x"), 783.97, 801.18);
        Is(result.Of("tie-y"), 955.77, 989.60);
        Is(result.Of("strut"), 1408.8, 1419.9);
        Is(result.Of("node"), 2400, 4075.8);

        // At d/2 = 379 mm it would cross the slanted edges: drawn in to 309.8 mm.
        Is(result.Of("two-way-shear"), 679.4, 954.8);
        result.Of("two-way-shear").Note.Should().Contain("drawn in");
    }

    [Fact]
    public void A_shallow_cap_with_sections_at_d_and_punching_at_its_tips()
    {
        var result = Check(Project, Cap(0.6, "10 T20 hooked", "9 T20 hooked"));
        Is(result.Of("flexure-bottom-x"), 425.24, 361.00);
        Is(result.Of("flexure-bottom-y"), 529.51, 288.71);
        Is(result.Of("one-way-shear-x"), 300.67, 148.83);
        Is(result.Of("one-way-shear-y"), 579.30, 127.57);
        Is(result.Of("tie-x"), 1160.7, 692.72);
        Is(result.Of("tie-y"), 1447.1, 494.80);
        Is(result.Of("strut"), 1776.8, 1182.7);
        Is(result.Of("two-way-shear"), 1208.7, 1103.2);

        // The sections of the piles at −y would cut the column's outline; that of the third is r·π/3 and twice 375 mm long.
        Is(result.Of("pile-punching"), 862.08 + 160.23 - (36.72 * 0.6399), 696.40);
    }

    // Whatever its size: three axes of symmetry, every edge at one distance from the piles nearest to it, parts that make up the whole, a
    // chord that is the outline's.
    [Fact]
    public void It_lies_evenly_round_its_piles() =>
        Gen.Select(Gen.Double[0.9, 2.5], Gen.Double[0.2, 0.7], Gen.Int[0, 3], Gen.Double[-0.9, 0.9]).Sample((pitch, edge, turns, share) =>
    {
        var design = (PileCapTests.Design("3", pitch, 1, 1, 0.8, "12 T20") with { ToEdge = edge, Turns = turns }).Shaped();
        PlanPoint[] outline = [.. design.Outline];
        var m = ConvexPolygon.Moments(outline);
        m.Area.Should().BeApproximately((Math.Sqrt(3) / 4 * Math.Pow(pitch + (2 * Math.Sqrt(3) * edge), 2)) - (Math.Sqrt(3) * edge * edge),
            1e-9);
        (Math.Abs(m.X) + Math.Abs(m.Y)).Should().BeLessThan(1e-9);
        for (var i = 0; i < 6; i++)
        {
            design.Piles.Min(p => -PileSection.Beyond(outline, i, p)).Should().BeApproximately(edge, 1e-9);
        }

        design.AreaWith(0.1)
            .Should().BeApproximately((design with { ToEdge = edge + 0.1 }).Shaped().Area, 1e-9,
                "an outline moved outwards is that of a greater distance");
        var t = PileCapTests.Trial(Project, design);
        foreach (var alongX in (bool[])[true, false])
        {
            var at = (t.Body.Low(alongX) + t.Body.High(alongX) + (share * (t.Body.High(alongX) - t.Body.Low(alongX)))) / 2;
            var (beyond, before) = (t.Body.Beyond(alongX, 1, at), t.Body.Beyond(alongX, -1, at));
            (beyond.Area + before.Area).Should().BeApproximately(t.Body.Area, 1e-9);
            (beyond.Moment - before.Moment).Should().BeApproximately(-at * t.Body.Area, 1e-9);

            // The chord is how fast the part beyond shrinks.
            const double step = 1e-6;
            var (from, to) = t.Body.Chord(alongX, at);
            ((t.Body.Beyond(alongX, 1, at - step).Area - t.Body.Beyond(alongX, 1, at + step).Area) / (2 * step)).Should().BeApproximately(to
                - from, 1e-5);
        }
    });

    // No bar is longer than the cap where it lies less its covers, nor shorter by more than a step; more bars are never developed than
    // cross, and none at the edge.
    [Fact]
    public void Bars_end_within_the_outline() => Gen.Select(PileCapPropertyTests.Hexagons, Gen.Double[-1, 1]).Sample((g, share) =>
    {
        var (project, design) = PileCapPropertyTests.Make(g);
        var t = PileCapTests.Trial(project, design);
        foreach (var alongX in (bool[])[true, false])
        {
            var span = t.CapSpans(alongX)[0];
            var cover = t.Rules.Concrete.CoverSide;
            foreach (var at in CapMat.At(span.Layer(true), (span.From, span.From + span.Breadth), cover))
            {
                var (from, to) = t.Body.Chord(!alongX, at);
                BarPositions.Cut(t.Body.Outline, alongX, at, span.Layer(true).Size!, cover)
                    .Should().BeInRange(Math.Max(0.1, to - from - (2 * cover) - 0.05), to - from - (2 * cover) + 1e-9);
            }

            var section = share * (t.Body.High(alongX) - t.Body.Low(alongX)) / 2;
            CapMat.Developed(span, true, section).Should().BeLessThanOrEqualTo(CapMat.Crossing(span, true, section) + 1e-12);
            CapMat.Crossing(span, true, section).Should().BeLessThanOrEqualTo(span.Layer(true).Area + 1e-12);
            CapMat.Crossing(span, true, t.Body.High(alongX)).Should().Be(0);
        }

        var mats = project.Foundations[0].Kind.Mats(project, project.Foundations[0], design);
        mats.Where(b => b.Role == Schedules.BarRole.BottomX).Sum(b => b.Layer.Count).Should().Be(14);
    });

    // As a cap thickens its two-way section is drawn in from where it would cross the edges, without a jump.
    [Fact]
    public void A_section_that_meets_the_edges_is_drawn_in_without_a_jump()
    {
        var before = double.NaN;
        for (var h = 0.45; h < 1.3; h += 0.002)
        {
            var used = Check(Project, Cap(h, "15 T16", "14 T20")).Of("two-way-shear").Utilisation;
            if (!double.IsNaN(before))
            {
                used.Should().BeInRange(before * 0.975, before * 1.025, $"h {h}");
            }

            before = used;
        }
    }

    // The section round a pile at a tip, its area against points counted on a grid.
    [Fact]
    public void A_section_at_a_tip_has_the_area_that_lies_within()
    {
        var design = Cap(0.6, "10 T20", "9 T20");
        PlanPoint[] outline = [.. design.Outline];
        var (pile, r) = (design.Piles[2], 0.47);
        var section = PileSection.Shortest(outline, pile, pile, r, false)!.Value;
        section.Open.Should().Be(3);
        section.AlphaS.Should().Be(20);
        section.Perimeter.Should().BeApproximately((r * Math.PI / 3) + 0.75, 1e-9);
        var (inside, n) = (0, 900);
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
            {
                var p = new PlanPoint(pile.X - 1 + (2.0 * (i + 0.5) / n), pile.Y - 1 + (2.0 * (j + 0.5) / n));
                var (x, y) = (p.X - pile.X, p.Y - pile.Y);

                // Towards the cap within r; to either side of that sector up to the straight runs, which stand at r across the slanted
                // edges.
                var (left, right) = ((-x * Math.Sqrt(3) / 2) + (y / 2), (x * Math.Sqrt(3) / 2) + (y / 2));
                var (runLeft, runRight) = ((-x / 2) - (y * Math.Sqrt(3) / 2), (x / 2) - (y * Math.Sqrt(3) / 2));
                var within = left <= 0 && right <= 0
                    ? (x * x) + (y * y) <= r * r
                    : (left <= 0 || runLeft <= r) && (right <= 0 || runRight <= r);
                inside += within && Enumerable.Range(0, 6).All(e => PileSection.Beyond(outline, e, p) <= 0) ? 1 : 0;
            }
        }

        section.Area.Should().BeApproximately(inside * 4.0 / n / n, 2e-3);
    }
}
