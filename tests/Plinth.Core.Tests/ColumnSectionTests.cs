using CsCheck;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Sections under force and moments both ways: closed forms, symmetry, and fibres in place of polygons.</summary>
public class ColumnSectionTests
{
    private static readonly ConcreteCode Code = ConcreteCodes.Find("aci318m-19")!;

    private static ColumnSection Section(double x = 0.5, double y = 0.4, string bars = "8 T20", bool round = false) =>
        Code.Section(x, y, round, ColumnSection.Around(x, y, round, Bars(bars).Resolve(1, 0), 0.06), 30e3, 420e3);

    [Theory]
    [InlineData(4, 0.4, 0.4, 2, 2)]
    [InlineData(8, 0.4, 0.4, 3, 3)]
    [InlineData(8, 0.9, 0.3, 4, 2)]
    [InlineData(12, 0.4, 0.4, 4, 4)]
    [InlineData(6, 0.3, 0.5, 2, 3)]
    public void Bars_stand_at_corners_and_evenly_between(int count, double x, double y, int nx, int ny)
    {
        ColumnSection.Sides(count, x, y).Should().Be((nx, ny));
        var bars = ColumnSection.Around(x + 0.12, y + 0.12, false, new BarLayer(count, Sizes("T20")[0]), 0.06);
        bars.Should().HaveCount(count);
        bars.Distinct().Should().HaveCount(count);
        bars.Max(b => b.X).Should().BeApproximately(x / 2, 1e-12);
        bars.Sum(b => b.X).Should().BeApproximately(0, 1e-12);
        bars.Sum(b => b.Y).Should().BeApproximately(0, 1e-12);
    }

    [Fact]
    public void Axial_force_alone_by_the_closed_forms()
    {
        var s = Section();
        s.Squash.Should().BeApproximately((0.85 * 30e3 * (0.2 - (8 * Math.PI * 1e-4))) + (420e3 * 8 * Math.PI * 1e-4), 1e-6);
        s.Along(1000, 0, 0).Scale.Should().BeApproximately(s.Squash / 1000, 1e-9);
        s.Along(-100, 0, 0).Scale.Should().BeApproximately(420e3 * 8 * Math.PI * 1e-4 / 100, 1e-9);
        var none = default(NoTrace);
        Code.TimesHeld(ref none, s, 1000, 0, 0).Should().BeApproximately(0.65 * 0.80 * s.Squash / 1000, 1e-9, "capped");
        Code.TimesHeld(ref none, s, -100, 0, 0)
            .Should().BeApproximately(0.90 * 420e3 * 8 * Math.PI * 1e-4 / 100, 1e-9, "tension-controlled");
    }

    private static readonly Gen<(double N, double Mx, double My)> Loads = Gen.Select(Gen.Double[-300, 3000], Gen.Double[-300, 300],
        Gen.Double[-300, 300]).Where(l => Math.Abs(l.Item1) + Math.Abs(l.Item2) + Math.Abs(l.Item3) > 1e-3);

    [Fact]
    public void What_is_found_is_in_equilibrium_with_the_load() => Loads.Sample(
        l =>
        {
            var s = Section();
            var found = s.Along(l.N, l.Mx, l.My);
            var (sin, cos) = Math.SinCos(found.AxisDegrees * Math.PI / 180);
            var (p, x, y) = s.Resultant(cos, sin, found.NeutralDepth);
            p.Should().BeApproximately(found.Scale * l.N, 1e-4 * s.Squash);
            x.Should().BeApproximately(found.Scale * l.My, 1e-4 * s.Squash);
            y.Should().BeApproximately(-found.Scale * l.Mx, 1e-4 * s.Squash);
        },
        iter: 2000);

    [Fact]
    public void Mirrored_and_turned_loads_are_held_alike() => Loads.Sample(
        l =>
        {
            var s = Section();
            var scale = s.Along(l.N, l.Mx, l.My).Scale;
            s.Along(l.N, -l.Mx, l.My).Scale.Should().BeApproximately(scale, 1e-6 * scale);
            s.Along(l.N, l.Mx, -l.My).Scale.Should().BeApproximately(scale, 1e-6 * scale);
            Section(0.4, 0.5)
                .Along(l.N, -l.My, l.Mx).Scale.Should().BeApproximately(scale, 1e-6 * scale,
                    "the section turned by a quarter with its load");
            s.Along(2 * l.N, 2 * l.Mx, 2 * l.My).Scale.Should().BeApproximately(scale / 2, 1e-6 * scale);
        },
        iter: 500);

    [Fact]
    public void A_round_section_holds_a_moment_of_any_direction_alike()
    {
        // Twelve bars repeat every 30°.
        var s = Section(0.5, 0.5, "12 T20", true);
        var first = s.Along(800, 0, 200).Scale;
        for (var i = 1; i < 12; i++)
        {
            var (sin, cos) = Math.SinCos(i * Math.PI / 6);
            s.Along(800, -200 * sin, 200 * cos).Scale.Should().BeApproximately(first, 1e-6 * first);
        }
    }

    [Fact]
    public void Fibres_in_place_of_the_polygon_give_the_same() =>
        Gen.Select(Gen.Double[0, Math.Tau], Gen.Double[0.05, 0.9], Gen.Bool).Sample(
        (angle, depth, round) =>
        {
            var s = Section(0.5, round ? 0.5 : 0.4, "8 T20", round);
            var (sin, cos) = Math.SinCos(angle);
            var most = round ? 0.25 : (0.25 * Math.Abs(cos)) + (0.2 * Math.Abs(sin));
            var (force, mx, my) = (0.0, 0.0, 0.0);
            const int n = 400;
            for (var i = 0; i < n; i++)
            {
                for (var j = 0; j < n; j++)
                {
                    var (x, y) = ((((i + 0.5) / n) - 0.5) * s.SizeX, (((j + 0.5) / n) - 0.5) * s.SizeY);
                    if ((!round || (x * x) + (y * y) <= 0.0625) && (x * cos) + (y * sin) > most - (s.BlockDepth * depth))
                    {
                        var own = s.Block * s.SizeX * s.SizeY / n / n;
                        (force, mx, my) = (force + own, mx + (own * x), my + (own * y));
                    }
                }
            }

            foreach (var b in s.Bars)
            {
                var at = (b.X * cos) + (b.Y * sin);
                var stress = Math.Clamp(0.003 * (1 - ((most - at) / depth)) * 200e6, -420e3, 420e3) - (at > most - (s.BlockDepth * depth)
                    ? s.Block
                    : 0);
                (force, mx, my) = (force + (stress * b.Area), mx + (stress * b.Area * b.X), my + (stress * b.Area * b.Y));
            }

            var exact = s.Resultant(cos, sin, depth);
            exact.Force.Should().BeApproximately(force, 0.004 * s.Squash);
            exact.X.Should().BeApproximately(mx, 0.002 * s.Squash);
            exact.Y.Should().BeApproximately(my, 0.002 * s.Squash);
        },
        iter: 40);

    [Fact]
    public void The_quick_bound_never_lies_below_what_is_used() => Loads.Sample(
        l =>
        {
            var s = Section();
            var none = default(NoTrace);
            var bound = Code.UtilisationBound(s, l.N, l.Mx, l.My);
            (1 / Code.TimesHeld(ref none, s, l.N, l.Mx, l.My)).Should().BeLessThanOrEqualTo(bound * (1 + 1e-6));
        },
        iter: 3000);

    [Fact]
    public void More_bars_hold_more() => Loads.Sample(
        l => Section(bars: "12 T20")
            .Along(l.N, l.Mx, l.My).Scale.Should().BeGreaterThan(Section(bars: "12 T16").Along(l.N, l.Mx, l.My).Scale * 0.999),
        iter: 500);
}
