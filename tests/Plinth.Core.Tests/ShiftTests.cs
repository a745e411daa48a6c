using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// How far a base must move to lie within its site, at all its places and clear of zones, held against every shift on the step.
/// </summary>
public class ShiftTests
{
    private const double Step = 0.1;

    // A rectangle of ground with two zones in it, the second turned.
    private static readonly Gen<Site> Sites = Gen.Select(
        Gen.Select(Gen.Int[-30, -8], Gen.Int[-30, -8], Gen.Int[8, 90], Gen.Int[8, 30]),
        Gen.Select(Gen.Int[-20, 60], Gen.Int[-20, 20], Gen.Int[2, 12], Gen.Int[2, 12]),
        Gen.Select(Gen.Int[-20, 60], Gen.Int[-20, 20], Gen.Int[3, 10])).Select((edge, zone, turned) =>
        {
            PlanPoint P(int x, int y) => new(x / 10.0, y / 10.0);
            return new Site(
                [P(edge.Item1, edge.Item2), P(edge.Item3, edge.Item2), P(edge.Item3, edge.Item4), P(edge.Item1, edge.Item4)],
                [
                    new KeepOut("sewer",
                        [P(zone.Item1, zone.Item2), P(zone.Item1 + zone.Item3, zone.Item2),
                            P(zone.Item1 + zone.Item3, zone.Item2 + zone.Item4), P(zone.Item1, zone.Item2 + zone.Item4)]),
                    new KeepOut("tree",
                        [P(turned.Item1, turned.Item2 - turned.Item3), P(turned.Item1 + turned.Item3, turned.Item2),
                            P(turned.Item1, turned.Item2 + turned.Item3), P(turned.Item1 - turned.Item3, turned.Item2)]),
                ]);
        });

    private static Foundation Of(int places, HeldValues held, double angle)
    {
        var supports = Enumerable.Range(0, places).Select(i => Column(angle: angle) with { Label = $"C{i + 1}", X = 4.5 * i }).ToList();
        return new Foundation("F1", [.. supports.Select(s => new Place(s, angle, DefaultGround))], places > 1, held, Rules);
    }

    private static bool Lies(Site site, Foundation f, BaseSize size) => f.Places.All(place =>
        site.Beyond(BaseGeometry.Corners(place,
            BaseGeometry.Centre(place, place.Lie.Of(BaseGeometry.Offset(f.Held, BaseGeometry.Outline(place, null), size))), size)).Beyond
            == 0);

    private static double Long(BaseSize size) => Math.Sqrt((size.ShiftX * size.ShiftX) + (size.ShiftY * size.ShiftY));

    // Every shift on the step that leaves the column on the base.
    private static BaseSize? BruteForce(Site site, Foundation f, BaseSize size, bool freeX, bool freeY)
    {
        BaseSize? best = null;
        var (nx, ny) = (freeX ? (int)(size.Length / 2 / Step) : 0, freeY ? (int)(size.Width / 2 / Step) : 0);
        for (var i = -nx; i <= nx; i++)
        {
            for (var j = -ny; j <= ny; j++)
            {
                var moved = size with { ShiftX = Math.Round(i * Step, 6), ShiftY = Math.Round(j * Step, 6) };
                if ((best is null || Long(moved) < Long(best.Value) - 1e-9) && Lies(site, f, moved))
                {
                    best = moved;
                }
            }
        }

        return best;
    }

    [Fact]
    public void The_least_shift_clears_the_zones_at_every_place() =>
        Gen.Select(Sites, Gen.Int[1, 2], Gen.Int[8, 16], Gen.Int[8, 16], Gen.OneOf(Gen.Const(0.0), Gen.Const(90.0), Gen.Const(20.0)))
            .Sample(
        (site, places, length, width, angle) =>
        {
            var f = Of(places, HeldValues.Nothing, angle);
            var size = new BaseSize(length / 10.0, width / 10.0, 0.5);
            var found = site.Fit(f, null, size, Step);
            var best = BruteForce(site, f, size, true, true);
            if (found is { } shift)
            {
                Lies(site, f, shift).Should().BeTrue($"{shift} lies well");
            }

            if (best is { } least)
            {
                found.Should().NotBeNull($"{least} lies well");
                Long(found!.Value).Should().BeLessThanOrEqualTo(Long(least) + 1e-9);
            }
        },
        iter: 40);

    [Fact]
    public void A_base_that_is_held_along_an_axis_moves_along_the_other_alone() => Gen.Select(Sites, Gen.Bool, Gen.Int[8, 16]).Sample(
        (site, heldX, side) =>
        {
            var f = Of(1, heldX ? new HeldValues { OffsetX = 0, OffsetXGiven = true } : new HeldValues { OffsetY = 0, OffsetYGiven = true },
                0);
            var size = new BaseSize(side / 10.0, side / 10.0, 0.5);
            var found = site.Fit(f, null, size, Step);
            var best = BruteForce(site, f, size, !heldX, heldX);
            if (best is { } least)
            {
                found.Should().NotBeNull($"{least} lies well");
                Long(found!.Value).Should().BeApproximately(Long(least), 1e-9);
            }

            if (found is { } shift)
            {
                (heldX ? shift.ShiftX : shift.ShiftY).Should().Be(0);
                Lies(site, f, shift).Should().BeTrue();
            }

            // Held along both it stays where it is, or does not fit.
            var fixedThere = Of(1, new HeldValues { OffsetXGiven = true, OffsetYGiven = true }, 0);
            (site.Fit(fixedThere, null, size, Step) is null).Should().Be(!Lies(site, fixedThere, size));
        },
        iter: 40);

    [Fact]
    public void On_an_open_site_and_well_within_one_nothing_moves()
    {
        var size = new BaseSize(2, 2, 0.5);
        Site.Open.Fit(Of(2, HeldValues.Nothing, 0), null, size, Step).Should().Be(size);
        new Site([new(-9, -9), new(20, -9), new(20, 9), new(-9, 9)], []).Fit(Of(2, HeldValues.Nothing, 0), null, size, Step)
            .Should().Be(size);
    }

    [Fact]
    public void Many_places_are_moved_as_soon_as_one()
    {
        // Twenty places by a line 0.8 m west of each: one shift serves them all, and finding it takes no longer than a blink.
        var f = new Foundation("F1",
            [.. Enumerable.Range(0, 20).Select(i => new Place(Column() with { Label = $"C{i}", Y = 4 * i }, 0, DefaultGround))], true,
            HeldValues.Nothing, Rules);
        var site = new Site([new(-0.8, -9), new(30, -9), new(30, 99), new(-0.8, 99)],
            [.. Enumerable.Range(0, 20)
                .Select(i => new KeepOut("", [new(6, (4 * i) - 1), new(7, (4 * i) - 1), new(7, (4 * i) + 1), new(6, (4 * i) + 1)]))]);
        for (var side = 1.8; side < 4; side += 0.05)
        {
            var shift = site.Fit(f, null, new BaseSize(side, side, 0.5), 0.005);
            shift!.Value.ShiftX.Should().BeApproximately((side / 2) - 0.8, 0.0051).And.BeGreaterThanOrEqualTo((side / 2) - 0.8 - 1e-6);
            shift.Value.ShiftY.Should().Be(0);
        }
    }
}
