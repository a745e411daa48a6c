using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Kinds.Strip;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.CombinedTests;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Strips on ground springs under rows of columns: what their designs are, what they share with combined footings, their sizes.</summary>
public class StripTests
{
    private static readonly StripKind Strip = new();

    // The same columns on a strip, its ground with a modulus.
    internal static Project OnStrip(Project project, double modulus, HeldValues? held = null)
    {
        var f = project.Foundations[0];
        var ground = f.Rules.Ground with { SubgradeModulus = modulus };
        return project with
        {
            Foundations =
            [
                f with
                {
                    Kind = Strip,
                    Mark = "ST1",
                    Held = held ?? HeldValues.Nothing,
                    Rules = f.Rules with { Ground = ground },
                    Places = [.. f.Places.Select(p => p with { Ground = ground })],
                },
            ]
        };
    }

    private static StripDesign Of(CombinedDesign d, double span) =>
        new(d.Size with { Width = d.Size.Width }, d.Size.Width, d.Offset, d.BottomX, d.TopX, d.TopY, d.Rest, d.At, span);

    [Fact]
    public void Its_length_follows_from_its_ends_and_where_its_columns_stand()
    {
        var blank = StripDesign.Blank(["C1", "C2"]).Spanning(4.5);
        var d = blank.With(0.6, 0.9);
        d.Ends.Should().Be((0.6, 0.9));
        d.Size.Length.Should().BeApproximately(6.0, 1e-12);

        // Midway between the columns lies nearer to the −x end's side: the centroid is moved by half the difference towards +x.
        d.Offset.X.Should().BeApproximately(-0.15, 1e-12);
        var moved = d.Spanning(5.0);
        moved.Ends.Should().Be((0.6, 0.9));
        moved.Size.Length.Should().BeApproximately(6.5, 1e-12);
        moved.Should().NotBe(d);
        d.Spanning(4.5).Should().Be(d);
        d.Following.Should().Equal(("length", 6.0));
        Strip.Fields(["C1", "C2"]).Select(f => f.Key).Should().StartWith("ends").And.NotContain("length").And.NotContain("offset-x");
    }

    [Fact]
    public void It_is_a_combined_footing_on_springs() => Gen.Select(Cases, Gen.Double[3.9, 5]).Sample(
        (c, k) =>
        {
            var (project, design) = Make(c);
            design = design with { HighWidth = design.Size.Width };
            var combined = OnStrip(project, Math.Pow(10, k), new HeldValues { Springs = true });
            combined = combined with { Foundations = [combined.Foundations[0] with { Kind = Combined }] };
            var (a, b) = (Check(combined, design), Check(OnStrip(project, Math.Pow(10, k)), Of(design, c.Gaps.Sum())));
            a.Checks.Select(x => (x.Id, x.At, x.Utilisation)).Should().Equal(b.Checks.Select(x => (x.Id, x.At, x.Utilisation)));
        },
        iter: 40);

    internal static readonly Gen<(double[] Gaps, double[] N, double M, double K)> Rows = Gen.Select(Gen.Double[3, 6].Array[2, 3],
        Gen.Double[150, 800].Array[4], Gen.Double[-30, 30], Gen.Double[4, 4.8], (g, n, m, k) => (g, n, m, Math.Pow(10, k)));

    internal static Project Made((double[] Gaps, double[] N, double M, double K) r, SizingRules sizing, HeldValues? held = null)
    {
        var rules = Rules with { Ground = DefaultGround with { FoundingDepth = 1.4, MostDistortion = 0.003, MostSettlement = 0.04 }, Sizing = sizing };
        var at = 0.0;
        return OnStrip(Project(rules, [.. Enumerable.Range(0, r.Gaps.Length + 1).Select(i =>
        {
            at += i == 0 ? 0 : r.Gaps[i - 1];
            return (at, 0.0, 0.4, 0.4, new Loads.SupportAction(r.N[i], 4, 3, r.M / 3, r.M, 0));
        })]), r.K, held);
    }

    [Fact]
    public void What_is_found_passes_and_no_smaller_step_does() => Rows.Sample(
        r =>
        {
            var project = Made(r, Rules.Sizing with { MostPlan = 3, MostThickness = 1.4, PlanStep = 0.1, ThicknessStep = 0.1 });
            var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
            found.Design.Should().BeOfType<StripDesign>(found.Stop?.Check + " " + found.Stop?.Bound);
            Check(project, found.Design!).Checks.Where(c => !c.Passes).Should().BeEmpty();
            var d = (StripDesign)found.Design!;
            d.Span.Should().BeApproximately(r.Gaps.Sum(), 1e-9);
            foreach (var end in (double[])[d.Ends.Low, d.Ends.High])
            {
                (end / 0.02).Should().BeApproximately(Math.Round(end / 0.02), 1e-3, "ends are round whatever the columns' distances are");
            }

            foreach (var spec in (BarSpec[])[d.Rest, d.TopY])
            {
                // All along they stand by whole steps of 25 mm.
                if (spec.Size is not null)
                {
                    (spec.Spacing / 0.025).Should().BeApproximately(Math.Round(spec.Spacing / 0.025), 1e-9).And.BeGreaterThan(0);
                }
            }

            foreach (var (step, stop) in FoundationSizer.Of(project, project.Foundations[0]).Why(found.Design!))
            {
                stop.Should().NotBeNull($"{step} of {found.Design}");
            }
        },
        iter: 40);

    [Fact]
    public void No_ends_width_and_thickness_are_cheaper() => Rows.Sample(
        r =>
        {
            var sizing = Rules.Sizing with { LeastPlan = 0.9, MostPlan = 2.1, MostThickness = 1.0, LeastThickness = 0.4, PlanStep = 0.3, ThicknessStep = 0.2 };
            var project = Made(r, sizing);
            var sizer = FoundationSizer.Of(project, project.Foundations[0]);
            var found = sizer.Size().Design;
            double? best = null;
            foreach (var h in (double[])[0.4, 0.6, 0.8, 1.0])
            {
                foreach (var w in (double[])[0.9, 1.2, 1.5, 1.8, 2.1])
                {
                    for (var both = 2; both < 8; both++)
                    {
                        // Both ends together by steps.
                        var held = Made(r, sizing, new HeldValues { Length = r.Gaps.Sum() + (0.3 * both), Width = w, Thickness = h });
                        var one = FoundationSizer.Of(held, held.Foundations[0]);
                        if (one.Size().Design is { } d)
                        {
                            best = Math.Min(best ?? double.PositiveInfinity, one.Cost(d));
                        }
                    }
                }
            }

            (found is null).Should().Be(best is null);
            if (found is not null)
            {
                (sizer.Cost(found) / best!.Value).Should().BeLessThan(1.01, $"{found.Size}");
            }
        },
        iter: 20);

    [Fact]
    public void Distortion_is_the_difference_over_the_distance()
    {
        var rules = Weightless with { Ground = Weightless.Ground with { MostDistortion = 0.002 } };
        var bare = Project(rules, (0, 0, 0.4, 0.4, new(300, 0, 0, 0, 0, 0)), (4.0, 0, 0.4, 0.4, new(900, 0, 0, 0, 0, 0)));
        var project = OnStrip(bare, 20e3);
        var design = Of(Design(5.2, 1.6, 1.6, 0.5, default, 2), 4);
        var t = (StripTrial)new Checker(project, project.Foundations[0]).Trials[0];
        t.Adopt(design);
        var beam = t.Body.Bed!.Beam(0);
        var expected = Math.Abs(beam.Settlement(2) - beam.Settlement(-2)) / 4;
        var check = Check(project, design).Checks.Single(c => c.Id == "distortion");
        check.Utilisation.Should().BeApproximately(expected / 0.002, 1e-9);

        // A rigid strip tilts by the plane under the resultant.
        var stiff = OnStrip(bare, 20e3, new HeldValues { Stiffness = 1e7 });
        var field = ContactSolver.Rectangle(5.2, 1.6, 1200, 1, 0).Pressure;
        (Check(stiff, design).Checks.Single(c => c.Id == "distortion").Utilisation * 0.002).Should().BeApproximately(
            (field.At(2, 0) - field.At(-2, 0)) / 20e3 / 4, 1e-6);
    }

    [Fact]
    public void Grounds_along_a_strip_begin_and_end_where_its_axis_crosses_their_areas()
    {
        var soft = DefaultGround with { Name = "soft", SubgradeModulus = 5e3 };
        var project = OnStrip(Project(Weightless, (0, 0, 0.4, 0.4, new(300, 0, 0, 0, 0, 0)), (4.0, 0, 0.4, 0.4, new(900, 0, 0, 0, 0, 0))), 20e3);
        var place = project.Foundations[0].Places[0];
        var (a, b) = (place.Supports[0], place.Supports[^1]);
        var middle = (a.X + b.X) / 2;

        // A band across its middle, half a metre wide.
        PlanPoint[] band = [new(middle - 0.25, a.Y - 3), new(middle + 0.25, a.Y - 3), new(middle + 0.25, a.Y + 3), new(middle - 0.25, a.Y + 3)];
        var crossed = place with { Along = [soft with { Area = band }, place.Ground] };
        var parts = Ground.GroundAlong.Of(crossed, default, -4, 4);
        parts.Select(p => p.Ground.Name).Should().Equal("", "soft", "");
        parts.Select(p => p.To).Should().SatisfyRespectively(
            x => x.Should().BeApproximately(-0.25, 1e-9), x => x.Should().BeApproximately(0.25, 1e-9), x => x.Should().Be(4));
        Ground.GroundAlong.At(crossed, new PlanPoint(middle, a.Y)).Name.Should().Be("soft");
        Ground.GroundAlong.Of(place, default, -4, 4).Should().ContainSingle().Which.Ground.Should().Be(place.Ground);
    }
}
