using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>The boundary held against an independent clip of the base by the site's polygon.</summary>
public class BoundaryTests
{
    // A site between two lines of whole steps, straight from corner to corner or stepped: concave wherever they zigzag.
    private static readonly Gen<PlanPoint[]> Sites = Gen.Select(Gen.Int[1, 6].Array[7], Gen.Int[-6, -1].Array[7], Gen.Bool)
        .Select((top, bottom, stepped) =>
    {
        var points = new List<PlanPoint>();
        void Line(int[] levels, bool back)
        {
            foreach (var i in back ? Enumerable.Range(0, 7).Reverse() : Enumerable.Range(0, 7))
            {
                int[] xs = stepped ? (back ? [(2 * i) + 2, 2 * i] : [2 * i, (2 * i) + 2]) : [2 * i];
                points.AddRange(xs.Select(x => new PlanPoint(x, levels[i])));
            }
        }

        Line(bottom, false);
        Line(top, true);
        return points.Distinct().ToArray();
    });

    // Sutherland–Hodgman: the site cut by each side of the base; its area is exact though a concave site leaves doubled edges.
    private static double AreaOutside(IReadOnlyList<PlanPoint> site, IReadOnlyList<PlanPoint> corners)
    {
        var rest = site.ToList();
        for (var i = 0; i < 4 && rest.Count > 0; i++)
        {
            var (p, q) = (corners[i], corners[(i + 1) % 4]);
            double Side(PlanPoint c) => ((q.X - p.X) * (c.Y - p.Y)) - ((q.Y - p.Y) * (c.X - p.X));
            var next = new List<PlanPoint>();
            for (var j = 0; j < rest.Count; j++)
            {
                var (a, b) = (rest[j], rest[(j + 1) % rest.Count]);
                var (fa, fb) = (Side(a), Side(b));
                if (fa >= 0)
                {
                    next.Add(a);
                }

                if (fa * fb < 0)
                {
                    next.Add(new PlanPoint(a.X + ((b.X - a.X) * fa / (fa - fb)), a.Y + ((b.Y - a.Y) * fa / (fa - fb))));
                }
            }

            rest = next;
        }

        static double Area(List<PlanPoint> p) =>
            Math.Abs(Enumerable.Range(0, p.Count).Sum(i => (p[i].X * p[(i + 1) % p.Count].Y) - (p[(i + 1) % p.Count].X * p[i].Y)) / 2);
        return Area([.. corners]) - (rest.Count > 0 ? Area(rest) : 0);
    }

    private static double FromSegment(PlanPoint a, PlanPoint b, double x, double y)
    {
        var (dx, dy) = (b.X - a.X, b.Y - a.Y);
        var t = Math.Clamp((((x - a.X) * dx) + ((y - a.Y) * dy)) / ((dx * dx) + (dy * dy)), 0, 1);
        return Math.Sqrt(Math.Pow(a.X + (t * dx) - x, 2) + Math.Pow(a.Y + (t * dy) - y, 2));
    }

    // Winding number, as the program counts crossings.
    private static bool Inside(IReadOnlyList<PlanPoint> site, double x, double y)
    {
        var turns = 0;
        for (var i = 0; i < site.Count; i++)
        {
            var (a, b) = (site[i], site[(i + 1) % site.Count]);
            var left = ((b.X - a.X) * (y - a.Y)) - ((x - a.X) * (b.Y - a.Y));
            turns += a.Y <= y && b.Y > y && left > 0 ? 1 : a.Y > y && b.Y <= y && left < 0 ? -1 : 0;
        }

        return turns != 0;
    }

    private static PlanPoint[] Base(double x, double y, double length, double width, double angle)
    {
        var place = Project(x, y, angle, Site.Open).Foundations[0].Places[0];
        return BaseGeometry.Corners(place, new PlanPoint(x, y), new BaseSize(length, width, 0.5));
    }

    private static Project Project(double x, double y, double angle, Site site) =>
        OneAction(new SupportAction(300, 0, 0, 0, 0, 0), column: Column(0.2, 0.2, angle: angle) with { X = x, Y = y },
            angle: angle) with
        { Site = site };

    [Fact]
    public void No_base_passes_with_area_outside_a_concave_boundary_and_its_reach_is_right() =>
        Gen.Select(Sites, Gen.Int[1, 11], Gen.Int[-3, 3], Gen.Int[1, 8], Gen.Int[1, 8],
            Gen.OneOf(Gen.Const(0.0), Gen.Const(90.0), Gen.Double[0, 90])).Sample(
        (site, x, y, length, width, angle) =>
        {
            var corners = Base(x, y, length, width, angle);
            var outside = AreaOutside(site, corners);
            var (beyond, crossed) = new Site(site, []).Beyond(corners);
            (crossed.Length > 0).Should().Be(beyond > 0);
            if (outside <= 1e-5)
            {
                // A sliver may be less than a touch, or more; nothing at all is neither.
                (outside > 1e-9 || beyond == 0).Should().BeTrue();
                return;
            }

            beyond.Should().BePositive($"{outside} m2 lie outside");

            // Sampled from within: the deepest sample is no deeper than what is told, and some sample comes near it.
            const int n = 100;
            var (deepest, steps) = (0.0, Math.Sqrt((length * length) + (width * width)) / n);
            for (var i = 0; i <= n; i++)
            {
                for (var j = 0; j <= n; j++)
                {
                    var (u, v) = ((double)i / n, (double)j / n);
                    var (px, py) = (corners[0].X + (u * (corners[1].X - corners[0].X)) + (v * (corners[3].X - corners[0].X)),
                        corners[0].Y + (u * (corners[1].Y - corners[0].Y)) + (v * (corners[3].Y - corners[0].Y)));
                    if (!Inside(site, px, py))
                    {
                        deepest = Math.Max(deepest,
                            Enumerable.Range(0, site.Length).Min(s => FromSegment(site[s], site[(s + 1) % site.Length], px, py)));
                    }
                }
            }

            beyond.Should().BeInRange(deepest - 2e-4, deepest + steps + 2e-4);
        },
        iter: 150);

    [Fact]
    public void The_shift_into_the_site_is_the_least_on_the_step() =>
        Gen.Select(Sites, Gen.Int[2, 20], Gen.Int[-6, 6], Gen.Int[2, 7], Gen.Int[2, 7], Gen.OneOf(Gen.Const(0.0), Gen.Double[0, 90]))
            .Sample(
        (site, x, y, length, width, angle) =>
        {
            var project = Project(x / 2.0, y / 2.0, angle, new Site(site, []));
            var foundation = project.Foundations[0];
            var place = foundation.Places[0];
            const double step = 0.25;
            var size = new BaseSize(length / 2.0, width / 2.0, 0.5);
            var found = project.Site.Fit(foundation, null, size, step);

            // Every shift on the step that leaves the column on the base, by the clip; a spike that enters by more than a touch already
            // cuts off 1e-12 m2.
            double? least = null;
            for (var i = -14; i <= 14; i++)
            {
                for (var j = -14; j <= 14; j++)
                {
                    var (sx, sy) = (i * step, j * step);
                    if (Math.Abs(sx) <= size.Length / 2 && Math.Abs(sy) <= size.Width / 2
                        && (least is null || Math.Sqrt((sx * sx) + (sy * sy)) < least))
                    {
                        var moved = size with { ShiftX = sx, ShiftY = sy };
                        var offset = BaseGeometry.Offset(foundation.Held, BaseGeometry.Outline(place, null), moved);
                        least = AreaOutside(site, BaseGeometry.Corners(place, BaseGeometry.Centre(place, offset), moved)) <= 1e-12
                            ? Math.Sqrt((sx * sx) + (sy * sy))
                            : least;
                    }
                }
            }

            if (found is { } f)
            {
                var at = BaseGeometry.Centre(place, BaseGeometry.Offset(foundation.Held, BaseGeometry.Outline(place, null), f));
                AreaOutside(site, BaseGeometry.Corners(place, at, f)).Should().BeLessThan(1e-5);
            }

            if (least is { } l)
            {
                found.Should().NotBeNull();
                Math.Sqrt((found!.Value.ShiftX * found.Value.ShiftX) + (found.Value.ShiftY * found.Value.ShiftY))
                    .Should().BeLessThanOrEqualTo(l + 1e-9);
            }
        },
        iter: 80);

    [Fact]
    public void A_notch_whose_edges_are_the_bases_own_is_not_passed_over()
    {
        // The notch lies between x 76 and 84, y 20 and 36; the base's edges lie on two of its lines.
        PlanPoint[] boundary = [new(-12, -12), new(84, -12), new(84, 20), new(76, 20), new(76, 36), new(84, 36), new(84, 68), new(-12, 68)];
        var site = new Site(boundary, []);
        var (beyond, crossed) = site.Beyond(Base(75, 28, 16, 16, 0));
        crossed.Should().Be("the boundary");
        beyond.Should().BeApproximately(7, 1e-3, "its edge at x = 83 lies 7 beyond x = 76");
        site.Beyond(Base(68, 28, 16, 16, 0)).Beyond.Should().Be(0, "flush with the notch");
        site.Beyond(Base(68.1, 28, 16, 16, 0)).Beyond.Should().BeApproximately(0.1, 1e-3);
        site.Beyond(Base(75, 18, 16, 16, 0)).Beyond.Should().BeApproximately(6, 1e-3, "the corner at (83, 26) lies 6 from y = 20");
    }
}
