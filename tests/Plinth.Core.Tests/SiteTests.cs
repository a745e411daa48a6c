using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Boundaries, zones, neighbours that settle differently, steps, the area covered.</summary>
public class SiteTests
{
    private static readonly PlanPoint[] Square = [new(0, 0), new(20, 0), new(20, 20), new(0, 20)];

    private static Project At(double x, double y, Site site, double n = 600, double angle = 0, HeldValues? held = null)
    {
        var column = Column(angle: angle) with { X = x, Y = y };
        return OneAction(new SupportAction(n, 0, 0, 0, 0, 0), column: column, held: held, angle: angle) with { Site = site };
    }

    [Fact]
    public void A_base_at_the_boundary_is_moved_under_its_column_and_its_eccentric_pressures_follow()
    {
        var site = new Site(Square, []);
        var free = FoundationSizer.Of(At(10, 10, site), At(10, 10, site).Foundations[0]).Size().Design!;
        free.Size.ShiftX.Should().Be(0);
        var project = At(0.85, 10, site);
        var design = FoundationSizer.Of(project, project.Foundations[0]).Size().Design!;
        (design.Size.Length / 2).Should().BeApproximately(0.85 + design.Size.ShiftX, 0.0101,
            "flush with the boundary to the step of shifts");
        design.Size.ShiftY.Should().Be(0);
        (design.Size.Length * design.Size.Width).Should().BeGreaterThan(free.Size.Length * free.Size.Width, "the pressure is uneven now");
        var result = Check(project, design);
        result.Passes.Should().BeTrue();
        result.Of("boundary").Place.Should().Be("C1");
        Check(project, design with { Size = design.Size with { ShiftX = 0 } })
            .Of("boundary").Note.Should().StartWith("crosses the boundary by");
    }

    [Fact]
    public void Where_no_base_fits_sizing_says_why()
    {
        // The column stands on the boundary: half of it is outside.
        var project = At(0.0, 10, new Site(Square, []));
        var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
        found.Design.Should().BeNull();
        found.Stop!.Bound.Should().Contain("no base lies within the site with its column on it");
    }

    [Fact]
    public void A_held_edge_or_offset_is_not_moved()
    {
        var project = At(0.85, 10, new Site(Square, []), held: new HeldValues { OffsetXGiven = true });
        FoundationSizer.Of(project, project.Foundations[0]).Size().Design.Should().BeNull("a square base this small carries nothing");
    }

    [Fact]
    public void A_zone_is_kept_clear_of_whatever_its_shape() => Gen.Select(Gen.Double[3, 17], Gen.Double[3, 17], Gen.Double[0, 90]).Sample(
        (x, y, angle) =>
        {
            // An L-shaped tank.
            var zone = new KeepOut("tank", [new(8, 8), new(12, 8), new(12, 9.5), new(9.5, 9.5), new(9.5, 12), new(8, 12)]);
            var project = At(x, y, new Site(Square, [zone]), angle: angle);
            var design = FoundationSizer.Of(project, project.Foundations[0]).Size().Design;
            if (design is null)
            {
                return;
            }

            var place = project.Foundations[0].Places[0];
            var corners = BaseGeometry.Corners(place, BaseGeometry.Centre(project.Foundations[0], place, design), design.Size);
            var (sin, cos) = Math.SinCos(angle * Math.PI / 180);
            for (var i = 0; i <= 20; i++)
            {
                for (var j = 0; j <= 20; j++)
                {
                    var (u, v) = (((i / 20.0) - 0.5) * (design.Size.Length - 0.001), ((j / 20.0) - 0.5) * (design.Size.Width - 0.001));
                    var centre = new PlanPoint(corners.Average(c => c.X), corners.Average(c => c.Y));
                    PlanPolygon.Contains(zone.Corners, new PlanPoint(centre.X + (u * cos) - (v * sin), centre.Y + (u * sin) + (v * cos)))
                        .Should().BeFalse();
                }
            }

            corners.Should().OnlyContain(c => c.X > -1e-5 && c.X < 20 + 1e-5 && c.Y > -1e-5 && c.Y < 20 + 1e-5);
        },
        iter: 120);

    [Fact]
    public void Triangles_cover_a_polygon_once()
    {
        PlanPoint[] shape = [new(0, 0), new(6, 0), new(6, 2), new(2, 2), new(2, 5), new(0, 5)];
        var triangles = PlanPolygon.Triangles(shape);
        triangles.Should().HaveCount(4);
        triangles.Sum(t => PlanPolygon.DoubleArea(t)).Should().BeApproximately(PlanPolygon.DoubleArea(shape), 1e-12);
        PlanPolygon.Triangles([.. shape.Reverse()])
            .Sum(t => PlanPolygon.DoubleArea(t))
            .Should().BeApproximately(PlanPolygon.DoubleArea(shape), 1e-12);
        PlanPolygon.Contains(shape, new PlanPoint(1, 4)).Should().BeTrue();
        PlanPolygon.Contains(shape, new PlanPoint(4, 4)).Should().BeFalse();
    }

    private static (Project Project, List<(Foundation, FoundationDesign)> Bases) Row(params (double X, double N, double Depth)[] columns)
    {
        var ground = DefaultGround with { SubgradeModulus = 20e3, MostSettlement = 0.05, MostDistortion = 0.002 };
        var supports = columns.Select((c, i) => Column() with { Label = $"C{i + 1}", X = c.X }).ToList();
        var foundations =
            supports.Select((s, i) => new Foundation($"F{i + 1}", [new Place(s, 0, ground with { FoundingDepth = columns[i].Depth })],
                false, HeldValues.Nothing, Rules with { Ground = ground })).ToList();
        var project = OneAction(default) with
        {
            Supports = supports,
            Foundations = foundations,
            Actions = supports.Zip(columns).ToDictionary(p => p.First.Label, p => new[] { new SupportAction(p.Second.N, 0, 0, 0, 0, 0) })
        };
        return (project, [.. foundations.Select(f => (f, Design(2, 2, 0.5)))]);
    }

    [Fact]
    public void Neighbours_that_settle_differently_are_held_to_their_distortion()
    {
        var (project, bases) = Row((0, 400, 1), (5, 700, 1), (10, 700, 1));
        var found = WholeBuilding.Of(project, bases).Distortions;
        found.Select(d => (d.First, d.Second)).Should().Equal(("F1", "F2"), ("F2", "F3"));
        found[0].Ratio.Should().BeApproximately(300 / 4.0 / 20e3 / 5, 1e-9, "300 kN over 4 m2 and the modulus, over 5 m");
        found[0].Passes.Should().BeTrue();
        found[1].Ratio.Should().BeApproximately(0, 1e-12);
        var (worse, others) = Row((0, 400, 1), (3, 1000, 1));
        WholeBuilding.Of(worse, others).Passes.Should().BeFalse();
    }

    [Fact]
    public void Neighbours_are_those_with_no_third_column_in_the_circle_between_them() =>
        Gen.Select(Gen.Int[0, 40], Gen.Int[0, 40]).List[2, 14].Sample(
        spots =>
        {
            var at = spots.Distinct().Select(s => new PlanPoint(s.Item1, s.Item2)).ToList();
            if (at.Count < 2)
            {
                return;
            }

            var (project, bases) = Row([.. at.Select((p, i) => (p.X, 300.0 + (20 * i), 1.0))]);
            bases = [
                .. bases.Select(
                    (b, i) =>
                        (b.Item1 with { Places = [b.Item1.Places[0] with { Supports = [b.Item1.Places[0].Support with { Y = at[i].Y }] }] },
                            b.Item2))];
            var expected = new List<(string, string)>();
            for (var i = 0; i < at.Count; i++)
            {
                for (var j = i + 1; j < at.Count; j++)
                {
                    // In whole numbers: k lies within the circle over ij where (i − k)·(j − k) is negative.
                    if (!Enumerable.Range(0, at.Count)
                        .Any(k => k != i && k != j
                            && ((at[i].X - at[k].X) * (at[j].X - at[k].X)) + ((at[i].Y - at[k].Y) * (at[j].Y - at[k].Y)) < 0))
                    {
                        expected.Add(($"F{i + 1}", $"F{j + 1}"));
                    }
                }
            }

            WholeBuilding.Of(project, bases).Distortions.Select(d => (d.First, d.Second)).Should().BeEquivalentTo(expected);
        },
        iter: 100);

    [Fact]
    public void A_lower_base_within_the_spread_of_its_neighbour_is_told()
    {
        // 1.2 m lower, 0.4 m beside it: at 1 across to 2 down 0.6 m is needed.
        var (project, bases) = Row((0, 400, 1), (2.4, 400, 2.2), (6, 400, 1));
        var steps = WholeBuilding.Of(project, bases).Steps;
        steps.Should().ContainSingle();
        (steps[0].Upper, steps[0].Lower).Should().Be(("F1", "F2"));
        steps[0].Needed.Should().BeApproximately(0.6, 1e-12);
        steps[0].Gap.Should().BeApproximately(0.4, 1e-12);
    }

    [Fact]
    public void The_area_covered_is_that_of_all_bases_over_the_supports_hull()
    {
        var (project, bases) = Row((0, 400, 1), (6, 400, 1), (0, 400, 1));
        WholeBuilding.Of(project, bases).Covered.Should().BeNull("columns in one line enclose nothing");
        var moved = project with { Supports = [.. project.Supports.Select((s, i) => i == 2 ? s with { Y = 4 } : s)] };
        WholeBuilding.Of(moved, bases).Covered.Should().BeApproximately(12 / 12.0, 1e-12);
    }
}
