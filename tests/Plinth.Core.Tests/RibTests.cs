using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Strip;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Strips with a rib: the section, the free body, limits, sizes.</summary>
public class RibTests
{
    private static readonly RibKind Rib = new();

    internal static Project Ribbed(Project strip, double breadth, double? depth = null, HeldValues? held = null)
    {
        var f = strip.Foundations[0];
        FieldValue rib = depth is { } d ? new FieldValue.Ends(breadth, d) : new FieldValue.Length(breadth);
        held ??= f.Held;
        return strip with { Foundations = [f with { Kind = Rib, Rules = Rib.RulesOf(f.Rules), Held = held with { Own = held.Own.Add("rib", rib) } }] };
    }

    internal static RibTrial Trial(Project project, RibDesign design)
    {
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        return (RibTrial)checker.Trials[0];
    }

    internal static RibDesign Design(IReadOnlyList<double> gaps, (double, double) ends, double width, double thickness, double breadth, double depth) =>
        (RibDesign.Blank([.. Enumerable.Range(1, gaps.Count + 1).Select(i => $"C{i}")]) with
        {
            Size = new BaseSize(0, width, thickness),
            Ends = ends,
            Rib = BeamDesign.Blank with { Width = breadth, Depth = depth, Top = Bars("5 T20"), Bottom = Bars("5 T25"), Stirrups = Bars("T10 @ 200 mm") },
            Flange = Bars("4 T12"),
            BottomY = Bars("T16 @ 200 mm"),
        }).Spanning(gaps.Sum());

    [Fact]
    public void The_second_moment_of_an_inverted_T_is_that_of_its_strips() =>
        Gen.Select(Gen.Double[0.8, 3], Gen.Double[0.2, 0.6], Gen.Double[0.2, 0.7], Gen.Double[0.05, 1.2]).Sample((b, t, bw, rise) =>
        {
            const int n = 4000;
            var (area, first) = (0.0, 0.0);
            double Breadth(double z) => z < t ? b : bw;
            for (var i = 0; i < n; i++)
            {
                var (z, dz) = ((i + 0.5) * (t + rise) / n, (t + rise) / n);
                (area, first) = (area + (Breadth(z) * dz), first + (Breadth(z) * dz * z));
            }

            var second = Enumerable.Range(0, n).Sum(i => ((i + 0.5) * (t + rise) / n) is var z
                ? Breadth(z) * (t + rise) / n * (z - (first / area)) * (z - (first / area)) : 0);
            RibTrial.Inertia(b, t, bw, rise).Should().BeApproximately(second, 3e-3 * second);
        }, iter: 50);

    [Fact]
    public void The_inertia_of_a_rib_as_broad_as_the_flange_is_that_of_a_rectangle() =>
        RibTrial.Inertia(1.2, 0.3, 1.2, 0.5).Should().BeApproximately(1.2 * 0.8 * 0.8 * 0.8 / 12, 1e-12);

    private static readonly Gen<(double[] Gaps, double[] N, double M, double K)> Rows = Gen.Select(Gen.Double[3, 6].Array[2, 3],
        Gen.Double[150, 800].Array[4], Gen.Double[-30, 30], Gen.Double[4, 4.8], (g, n, m, k) => (g, n, m, Math.Pow(10, k)));

    [Fact]
    public void The_ground_carries_columns_weights_and_rib_and_the_free_body_closes() =>
        Gen.Select(Rows, Gen.Double[0.9, 2], Gen.Double[0.6, 1.1]).Sample((r, width, depth) =>
        {
            var project = Ribbed(StripTests.Made(r, Rules.Sizing), 0.45);
            var d = Design(r.Gaps, (0.6, 0.8), width, 0.35, 0.45, depth);
            var t = Trial(project, d);
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium)
            {
                return;
            }

            // 24 kN/m³ of concrete, 18 of soil to 1.4 m but where rib and columns stand.
            var (l, rise) = (d.Size.Length, depth - 0.35);
            var weights = (24 * ((l * width * 0.35) + (l * 0.45 * rise))) + (18 * ((l * width * 1.05) - (l * 0.45 * rise)))
                - (18 * t.Columns.Length * 0.16 * (1.4 - depth));
            var sum = r.N.Take(t.Columns.Length).Sum() + weights;
            t.Body.Loads(0).N.Should().BeApproximately(sum, 1e-6 * sum);
            t.Body.Pushed(0).Force.Should().BeApproximately(sum, 1e-6 * sum);
            var end = t.Rib.Section(0, t.Body.HighX);
            end.Shear.Should().BeApproximately(0, 1e-6 * sum);
            end.Moment.Should().BeApproximately(0, 1e-6 * sum * l);
            var told = t.Along(0)!;
            told.Body.Sum(f => f.Force).Should().BeApproximately(0, 1e-6 * sum);
            told.Body.Sum(f => f.Moment).Should().BeApproximately(0, 1e-6 * sum * l);

            // No moment anywhere outside the columns exceeds those that are looked at.
            var (low, high) = (t.Rib.Greatest(0, false).Moment, t.Rib.Greatest(0, true).Moment);
            foreach (var p in told.Points.Where(p => t.Columns.ToArray().All(c => p.At <= c.X - 0.2 || p.At >= c.X + 0.2)))
            {
                p.Moment.Should().BeInRange(low - (1e-5 * sum), high + (1e-5 * sum));
                Math.Abs(p.Shear).Should().BeLessThanOrEqualTo(t.Rib.MostShear(0) + (0.02 * sum));
            }
        }, iter: 100);

    [Fact]
    public void A_rib_that_hardly_rises_leaves_the_pressures_of_a_flat_strip() => Rows.Sample(
        r =>
        {
            var flat = StripTests.Made(r, Rules.Sizing);
            var t = (StripTrial)new Checker(flat, flat.Foundations[0]).Trials[0];
            t.Adopt((StripDesign.Blank([.. Enumerable.Range(1, r.Gaps.Length + 1).Select(i => $"C{i}")]) with
            {
                Size = new BaseSize(0, 1.4, 0.6),
                HighWidth = 1.4,
                BottomX = Bars("8 T20"),
                Rest = Bars("T12 @ 200 mm"),
                At = [.. Enumerable.Range(1, r.Gaps.Length + 1).Select(i => new Kinds.Combined.ColumnDesign($"C{i}", Bars("5 T16"), new Upright(null, Concrete.BarSpec.None)))],
            }).Spanning(r.Gaps.Sum()).With(0.6, 0.8));
            var ribbed = Trial(Ribbed(flat, 0.45), Design(r.Gaps, (0.6, 0.8), 1.4, 0.6, 0.45, 0.6 + 1e-7));
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium)
            {
                return;
            }

            foreach (var x in (double[])[-0.45, -0.2, 0, 0.3, 0.5])
            {
                var at = x * t.Body.Length;
                ribbed.Body.PressureAt(0, at, 0.6).Should().BeApproximately(t.Body.PressureAt(0, at, 0.6), 1e-4 * t.Body.MostPressure(0));
            }
        },
        iter: 40);

    [Fact]
    public void Pressed_below_it_counts_the_flange_pressed_on_top_the_web()
    {
        var r = (new[] { 4.2, 4.8 }, new[] { 500.0, 900, 600, 0 }, 10.0, 22e3);
        var t = Trial(Ribbed(StripTests.Made(r, Rules.Sizing), 0.45), Design([4.2, 4.8], (0.7, 0.9), 1.5, 0.35, 0.45, 0.85));
        var none = default(Tracing.NoTrace);

        // Bottom bars: 75 + 16 across + 10 stirrup + 12.5; As 2454 mm², a = 89.8 mm over the web, φ·As·fy·(d − a/2).
        t.Rib.Depth(true).Should().BeApproximately(0.7365, 1e-9);
        t.Rib.Strength(true, ref none).Strength.Should().BeApproximately(641.62, 0.01);

        // Top bars: 5 T20, bf = 450 + 2·min(525; 2800; 3800/8) = 1400: a = 1570.8·420/(0.85·30·1400) = 18.48 mm.
        t.Rib.Depth(false).Should().BeApproximately(0.78, 1e-9);
        var a = 1.5707963e-3 * 420 / (0.85 * 30 * 1.4);
        t.Rib.Strength(false, ref none).Strength.Should().BeApproximately(0.9 * 1.5707963e-3 * 420e3 * (0.78 - (a / 2)), 0.02);
        t.Rib.LeastSteelBreadth(true).Should().Be(0.9, "twice the web");
        t.Rib.LeastSteelBreadth(false).Should().Be(0.45);
    }

    [Fact]
    public void What_is_found_passes_and_no_smaller_step_does() => Rows.Sample(
        r =>
        {
            var project = Ribbed(StripTests.Made(r, Rules.Sizing with { MostPlan = 3, MostThickness = 1.4, PlanStep = 0.1, ThicknessStep = 0.1 }), 0.5);
            var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
            found.Design.Should().BeOfType<RibDesign>(found.Stop?.Check + " " + found.Stop?.Bound);
            Check(project, found.Design!).Checks.Where(c => !c.Passes).Should().BeEmpty($"{found.Design}");
            Rib.FaultOfPlan(project.Foundations[0], found.Design!, Units.UnitSystem.Metric).Should().BeNull("what is found can be written and read");
            foreach (var (step, stop) in FoundationSizer.Of(project, project.Foundations[0]).Why(found.Design!))
            {
                stop.Should().NotBeNull($"{step} of {found.Design}");
            }
        },
        iter: 25);

    // The narrowest strips that stand have too small a rib, over every reach: wider ones do.
    [Fact]
    public void It_is_found_where_only_wider_strips_than_the_ground_asks_have_bars()
    {
        var r = (new[] { 92 / 17.0, 4, 3.45 }, new[] { 797.8016180535001, 174.4424798868878, 730, 688.2442233814538 }, 5.0, 1e4);
        var project = Ribbed(StripTests.Made(r, Rules.Sizing with { MostPlan = 3, MostThickness = 1.4, PlanStep = 0.1, ThicknessStep = 0.1 }), 0.5);
        var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
        found.Design.Should().BeOfType<RibDesign>(found.Stop?.Reason);
        Check(project, found.Design!).Passes.Should().BeTrue();
    }

    [Fact]
    public void No_ends_width_thickness_and_depth_are_cheaper() => Rows.Sample(
        r =>
        {
            var sizing = Rules.Sizing with { LeastPlan = 0.9, MostPlan = 2.1, MostThickness = 1.2, LeastThickness = 0.3, PlanStep = 0.3, ThicknessStep = 0.15 };
            var project = Ribbed(StripTests.Made(r, sizing), 0.5);
            var sizer = FoundationSizer.Of(project, project.Foundations[0]);
            var found = sizer.Size().Design;
            (double Cost, RibDesign Design)? best = null;
            foreach (var depth in (double[])[0.45, 0.6, 0.75, 0.9, 1.05, 1.2])
            {
                foreach (var h in (double[])[0.3, 0.45, 0.6, 0.75, 0.9, 1.05])
                {
                    foreach (var w in (double[])[0.9, 1.2, 1.5, 1.8, 2.1])
                    {
                        if (depth > h)
                        {
                            var held = Ribbed(StripTests.Made(r, sizing), 0.5, depth, new HeldValues { Width = w, Thickness = h });
                            var one = FoundationSizer.Of(held, held.Foundations[0]);
                            best = one.Size().Design is RibDesign d && one.Cost(d) is var cost && (best is null || cost < best.Value.Cost) ? (cost, d) : best;
                        }
                    }
                }
            }

            (found is null).Should().Be(best is null, $"sizing finds {found} ({sizer.Size().Stop?.ToString()}), of all sizes {best?.Design}");
            if (found is not null)
            {
                (sizer.Cost(found) / best!.Value.Cost).Should().BeLessThan(1.02, $"{found} for {best.Value.Design}");
            }
        },
        iter: 8);
}
