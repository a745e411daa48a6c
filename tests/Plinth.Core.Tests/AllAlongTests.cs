using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Kinds.Strap;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Bases and beams along several columns at hundreds of sections: none is used more than those that the checks look at.</summary>
public class AllAlongTests
{
    private const int Sections = 500;

    // Where the ground pushes up all along: there shear falls from every column on, so that d from its face is where it is looked at.
    private static bool Pushes(Trial t, int k) => t.Body.Contact(k).State == ContactState.Full
        && t.Body.Outline.ToArray().Min(o => t.Body.Contact(k).Pressure.Plane(o.X, o.Y)) > t.Body.PressedPerArea(k);

    private static bool IsNear(Trial t, double x, double beyond) =>
        t.Body.Columns.ToArray().Any(c => x > c.Face(true, -1) - beyond && x < c.Face(true, 1) + beyond);

    private static double Used(Trial t, string id, Subject s, int k) => t.Checks.Find(id)!.Trace(s, k, [], new NoteSlot()) is { Done: true } o ? o.Utilisation : 0;

    [Fact]
    public void Of_a_trapezoid() => CombinedTests.Cases.Sample(
        c =>
        {
            var (project, design) = CombinedTests.Make(c with { Loads = [.. c.Loads.Select(l => l with { N = 500 + Math.Abs(l.N) })] });
            var t = CombinedTests.Trial(project, design with { TopX = Bars("7 T20") });
            if (!Pushes(t, 0))
            {
                return;
            }

            var none = default(NoTrace);
            var (bottom, top, shear) = (Used(t, "flexure-bottom-x", t.Long, 0), Used(t, "flexure-top-x", t.Long, 0), Used(t, "one-way-shear-x", t.Long, 0));
            for (var i = 0; i < Sections; i++)
            {
                var x = t.Long.Low + (t.Long.Length * (i + 0.5) / Sections);
                var (at, below) = (t.Long.Section(0, x), t.Long.Section(0, x).Moment >= 0);
                var (area, breadth, d) = (t.Long.Layer(below).Area, t.Long.BreadthAt(x), t.Long.Depth(below));
                if (!IsNear(t, x, 0))
                {
                    var held = t.Code.Flexure(ref none, t.Rules.Concrete, t.Rules.Steel.Yield, area, breadth, d).Strength;
                    (below ? bottom : top).Should().BeGreaterThanOrEqualTo((Math.Abs(at.Moment) / held) - 1e-3, $"M {at.Moment} at {x}");
                }

                if (!IsNear(t, x, t.Long.Depth(true)))
                {
                    var held = t.Code.OneWayShear(ref none, t.Rules.Concrete, breadth, d, area);
                    shear.Should().BeGreaterThanOrEqualTo((Math.Abs(at.Shear) / held) - 1e-3, $"V {at.Shear} M {at.Moment} at {x}");
                }
            }
        },
        iter: 200);

    [Fact]
    public void Of_a_rib() => Gen.Select(StripTests.Rows, Gen.Double[1.2, 2.4], Gen.Double[0.6, 1.1]).Sample(
        (r, width, depth) =>
        {
            var project = RibTests.Ribbed(StripTests.Made(r, Rules.Sizing), 0.45);
            var t = RibTests.Trial(project, RibTests.Design(r.Gaps, (0.6, 0.8), width, 0.35, 0.45, depth));
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium)
            {
                return;
            }

            Beam(t, t.Rib, 0, x => t.Rib.Section(0, x), true);
        },
        iter: 100);

    [Fact]
    public void Of_a_strap() => StrapTests.Random.Sample(
        g =>
        {
            var t = StrapTests.Trial(g.Project, g.Design);
            for (var k = 0; k < t.Combinations.Length; k++)
            {
                if (t.Combinations[k].IsFor(Family.Concrete) && t.Body.Contact(k).State != ContactState.NoEquilibrium)
                {
                    Beam(t, t.Beam, k, x => StrapForces.At(t.Body, k, x) is var s ? new LongSection(x, s.Shear, s.Moment) : default, true);
                }
            }
        },
        iter: 100);

    private static void Beam(Trial t, BeamSpan beam, int k, Func<double, LongSection> section, bool shears)
    {
        var none = default(NoTrace);
        var (bottom, top, shear) = (Used(t, "flexure-bottom-x", beam, k), Used(t, "flexure-top-x", beam, k), Used(t, "shear-stirrups", beam, k));
        var apart = Used(t, "stirrup-spacing", beam, k);
        for (var i = 0; i < Sections; i++)
        {
            var x = beam.Low + ((beam.High - beam.Low) * (i + 0.5) / Sections);
            var at = section(x);
            var below = at.Moment >= 0;
            if (!IsNear(t, x, 0))
            {
                (below ? bottom : top).Should().BeGreaterThanOrEqualTo((Math.Abs(at.Moment) / beam.Strength(below, ref none).Strength) - 1e-4, $"M {at.Moment} at {x}");
            }

            if (shears && !IsNear(t, x, beam.Depth(true)))
            {
                var held = t.Code.BeamShear(ref none, t.Rules.Concrete, beam.InShear(below));
                shear.Should().BeGreaterThanOrEqualTo((Math.Abs(at.Shear) / held) - 1e-3, $"V {at.Shear} M {at.Moment} at {x}");
                var limits = t.Code.Stirrups(ref none, t.Rules.Concrete, beam.InShear(below), Math.Abs(at.Shear));
                apart.Should().BeGreaterThanOrEqualTo((beam.Stirrups.Spacing / limits.Spacing) - 1e-9, $"stirrups where V {at.Shear} M {at.Moment} at {x}");
            }
        }
    }
}
