using CsCheck;
using Plinth.Core.Contact;
using Plinth.Core.Schedules;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Chords, edges and cut lengths of outlines that are no rectangles.</summary>
public class ChordTests
{
    // Corners on a circle in the order of their angles make a convex polygon.
    private static readonly Gen<PlanPoint[]> Convex = Gen.Double[0, 2 * Math.PI].Array[3, 9]
        .Where(a => a.Distinct().Count() == a.Length && a.Max() - a.Min() > 0.5)
        .Select(a => a.Order().Select(t => new PlanPoint(1.7 * Math.Cos(t), 1.7 * Math.Sin(t))).ToArray());

    [Fact]
    public void A_chord_ends_on_the_outline_and_holds_no_point_without() =>
        Gen.Select(Convex, Gen.Double[-2, 2], Gen.Bool).Sample((outline, at, alongX) =>
    {
        var (from, to) = ConvexPolygon.Chord(outline, alongX, at);
        var (low, high) = alongX ? (outline.Min(p => p.X), outline.Max(p => p.X)) : (outline.Min(p => p.Y), outline.Max(p => p.Y));
        var within = Math.Clamp(at, low, high);
        PlanPoint At(double across) => alongX ? new(within, across) : new(across, within);
        to.Should().BeGreaterThanOrEqualTo(from);
        PlanPolygon.Contains(outline, At((from + to) / 2)).Should().BeTrue();
        if (within == at)
        {
            foreach (var end in (double[])[from, to])
            {
                var near = PlanPolygon.Nearest(outline, At(end));
                (Math.Abs(near.X - At(end).X) + Math.Abs(near.Y - At(end).Y)).Should().BeLessThan(1e-6);
            }

            PlanPolygon.Contains(outline, At(from - 1e-3)).Should().BeFalse();
            PlanPolygon.Contains(outline, At(to + 1e-3)).Should().BeFalse();
        }
    });

    [Fact]
    public void A_rectangle_has_its_sides_for_chords_and_for_edges()
    {
        PlanPoint[] outline = [new(-1.2, -0.7), new(1.2, -0.7), new(1.2, 0.7), new(-1.2, 0.7)];
        ConvexPolygon.Chord(outline, true, 0.4).Should().Be((-0.7, 0.7));
        ConvexPolygon.Chord(outline, false, -0.7).Should().Be((-1.2, 1.2));
        ConvexPolygon.Chord(outline, false, 3).Should().Be((-1.2, 1.2), "beyond it its end counts");
        PlanPolygon.Perimeter(outline).Should().BeApproximately(7.6, 1e-12);
        (PlanPolygon.DoubleArea(outline) / 2).Should().BeApproximately(3.36, 1e-12);
    }

    [Fact]
    public void Bars_are_cut_down_to_steps_of_their_own_units()
    {
        var (metric, us) = (Sizes("T16")[0], Sizes("#5")[0]);
        BarPositions.CutDown(1.849, metric).Should().Be(1.8);
        BarPositions.CutDown(1.85, metric).Should().Be(1.85);
        BarPositions.CutDown(71.9 * 0.0254, us).Should().BeApproximately(70 * 0.0254, 1e-6);
        BarPositions.CutDown(72 * 0.0254, us).Should().BeApproximately(72 * 0.0254, 1e-6);
    }
}
