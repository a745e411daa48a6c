using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Bases that were designed alone, held against each other in plan.</summary>
public class SitePlanTests
{
    private static PlanPoint[] Rectangle(double x, double y, double l, double b, double degrees)
    {
        var (sin, cos) = SupportAction.SinCosDegrees(degrees);
        PlanPoint At(double u, double v) => new(x + (u * cos) - (v * sin), y + (u * sin) + (v * cos));
        return [At(-l / 2, -b / 2), At(l / 2, -b / 2), At(l / 2, b / 2), At(-l / 2, b / 2)];
    }

    [Theory]
    [InlineData(3.0, 0, 0, 1.0)] // side by side
    [InlineData(2.0, 0, 0, 0.0)] // touching
    [InlineData(1.5, 0, 0, -0.5)] // overlapping by half a metre
    [InlineData(3.0, 4.0, 0, 2.23606797749979)] // corner to corner: 1 and 2 apart
    [InlineData(3.0, 0, 45, 0.5857864376269049)] // the point of a diamond reaches √2
    [InlineData(0, 0, 0, -2.0)] // one on the other
    public void Gaps_by_hand(double x, double y, double degrees, double gap) =>
        SitePlan.Gap(Rectangle(0, 0, 2, 2, 0), Rectangle(x, y, 2, 2, degrees)).Should().BeApproximately(gap, 1e-12);

    private static readonly Gen<PlanPoint[]> Rectangles = Gen.Select(Gen.Double[-4, 4], Gen.Double[-4, 4], Gen.Double[0.5, 3],
        Gen.Double[0.5, 3], Gen.Double[0, 180]).Select((x, y, l, b, a) => Rectangle(x, y, l, b, a));

    private static bool Inside(PlanPoint[] corners, double x, double y)
    {
        for (var i = 0; i < corners.Length; i++)
        {
            var (p, q) = (corners[i], corners[(i + 1) % corners.Length]);
            if (((q.X - p.X) * (y - p.Y)) - ((q.Y - p.Y) * (x - p.X)) < 0)
            {
                return false;
            }
        }

        return true;
    }

    [Fact]
    public void Any_two_bases_part_when_moved_by_their_overlap_and_share_no_point_while_apart() =>
        Gen.Select(Rectangles, Rectangles).Sample((a, b) =>
    {
        var gap = SitePlan.Gap(a, b);
        SitePlan.Gap(b, a).Should().BeApproximately(gap, 1e-9, "it is the same seen from either");

        // A fine net of points: none lies in both where they are apart; one does where they overlap by more than its mesh.
        var shared = false;
        for (var x = -7.0; x <= 7; x += 0.05)
        {
            for (var y = -7.0; y <= 7; y += 0.05)
            {
                shared |= Inside(a, x, y) && Inside(b, x, y);
            }
        }

        if (gap > 0)
        {
            shared.Should().BeFalse();
        }
        else if (gap < -0.15)
        {
            shared.Should().BeTrue();
        }

        // Moved apart along the line of some edge's normal by the overlap, they touch.
        if (gap < -1e-6)
        {
            var parts = Enumerable.Range(0, 8).Any(i =>
            {
                var from = i < 4 ? a : b;
                var (p, q) = (from[i % 4], from[(i + 1) % 4]);
                var length = Math.Sqrt(((q.X - p.X) * (q.X - p.X)) + ((q.Y - p.Y) * (q.Y - p.Y)));
                var (nx, ny) = ((q.Y - p.Y) / length * (i < 4 ? 1 : -1), (p.X - q.X) / length * (i < 4 ? 1 : -1));
                return Math.Abs(SitePlan.Gap(a, [.. b.Select(c => new PlanPoint(c.X - (gap * nx), c.Y - (gap * ny)))])) < 1e-9;
            });
            parts.Should().BeTrue();
        }
    }, iter: 60);

    private static (Foundation, FoundationDesign) Base(string mark, double x, double y, double side, double angle = 0, double depth = 1.0)
    {
        var place = new Place(Column() with { Label = "C" + mark, X = x, Y = y }, angle, DefaultGround with { FoundingDepth = depth });
        return (new Foundation(mark, [place], false, HeldValues.Nothing, Rules), Design(side, side, 0.5));
    }

    [Fact]
    public void Overlaps_and_small_gaps_are_told_by_mark_and_the_rest_is_not()
    {
        var near = SitePlan.Near([Base("F10", 0, 0, 2), Base("F2", 1.5, 0, 2), Base("F3", 3.7, 0, 2), Base("F4", 9, 0, 2),
            Base("F5", 9, 2.5, 2)]);
        near.Select(n => (n.First, n.Second, Math.Round(n.Gap, 9), n.Overlaps))
            .Should().Equal(("F2", "F3", 0.2, false), ("F2", "F10", -0.5, true));
    }

    [Fact]
    public void One_base_above_another_is_said_and_offsets_and_angles_count()
    {
        SitePlan.Near([Base("F1", 0, 0, 2), Base("F2", 1, 0, 2, depth: 1.5)])
            .Single().ApartInLevel.Should().BeTrue("its top lies at the other's underside");
        SitePlan.Near([Base("F1", 0, 0, 2), Base("F2", 1, 0, 2, depth: 1.4)]).Single().ApartInLevel.Should().BeFalse();
        SitePlan.Near([Base("F1", 0, 0, 2), Base("F2", 2.35, 0, 2)]).Should().BeEmpty();
        SitePlan.Near([Base("F1", 0, 0, 2), Base("F2", 2.35, 0, 2, 45)]).Single().Overlaps.Should().BeTrue();
        var (f, d) = Base("F2", 2.35, 0, 2);
        SitePlan.Near([Base("F1", 0, 0, 2), (f with { Held = new HeldValues { OffsetX = 0.4 } }, d)])
            .Single().Gap.Should().BeApproximately(-0.05, 1e-9, "the column's offset moves the base");
    }

    [Fact]
    public void Turning_the_whole_site_changes_no_gap() =>
        Gen.Select(Gen.Double[0, 360], Gen.Double[0, 3], Gen.Double[0, 3]).Sample((turn, x, y) =>
    {
        var (sin, cos) = SupportAction.SinCosDegrees(turn);
        var plain = SitePlan.Near([Base("F1", 0, 0, 2), Base("F2", x, y, 1.5)]);
        var turned = SitePlan.Near([Base("F1", 0, 0, 2, turn), Base("F2", (x * cos) - (y * sin), (x * sin) + (y * cos), 1.5, turn)]);
        turned.Should().HaveSameCount(plain);
        turned.Zip(plain).Should().OnlyContain(p => Math.Abs(p.First.Gap - p.Second.Gap) < 1e-9);
    }, iter: 200);
}
