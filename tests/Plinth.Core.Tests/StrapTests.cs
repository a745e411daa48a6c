using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Strap;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Two bases that a beam holds together: statics worked by hand, and properties over random ones. M is positive where it stretches the
/// bottom; x counts from the first column.
/// </summary>
public class StrapTests
{
    internal static readonly StrapKind Strap = new();

    // Shorter than any soil over it, so that only what is stated weighs.
    private static readonly RuleSet Weightless = CombinedTests.Weightless;

    internal static Project Project(RuleSet rules, double span, (double Cx, double Cy, SupportAction Action) first,
        (double Cx, double Cy, SupportAction Action) last, HeldValues? held = null, string code = "aci318m-19", double angle = 0)
    {
        var (sin, cos) = Math.SinCos(angle * Math.PI / 180);
        Support[] supports =
        [
            new("C1", 0, 0, null, ColumnShape.Rectangular, first.Cx, first.Cy, 0, 0, angle, "", ""),
            new("C2", span * cos, span * sin, null, ColumnShape.Rectangular, last.Cx, last.Cy, 0, 0, angle, "", ""),
        ];
        return OneAction(first.Action, rules, code: code) with
        {
            Supports = supports,
            Actions = new Dictionary<string, SupportAction[]> { ["C1"] = [first.Action], ["C2"] = [last.Action] },
            Foundations = [new Foundation("SF1", [new Place(supports, angle, rules.Ground)], false, held ?? HeldValues.Nothing, rules) { Kind = Strap }],
        };
    }

    internal static StrapDesign Design(double l1, double b1, double l2, double b2, double h1 = 0.6, double h2 = 0.6, double width = 0.4,
        double depth = 0.9, double gap = 0.1, string top = "5 T25", string bottom = "5 T25", string stirrups = "T10 @ 200 mm") =>
        new(new StrapBase(l1, b1, h1, Bars("T16 @ 200 mm"), Bars("T20 @ 150 mm"), Bars("none"), Bars("none")),
            new StrapBase(l2, b2, h2, Bars("T16 @ 200 mm"), Bars("T20 @ 150 mm"), Bars("none"), Bars("none")),
            new BeamDesign(width, depth, gap, Bars(top), Bars(bottom), Bars(stirrups), Bars("3 T12")),
            [new CarriedColumn("C1", new Upright(null, Bars("none"))), new CarriedColumn("C2", new Upright(null, Bars("none")))]);

    internal static StrapTrial Trial(Project project, StrapDesign design)
    {
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        return (StrapTrial)checker.Trials[0];
    }

    private static (double V, double M) At(StrapTrial t, double x) =>
        StrapForces.At(t.Body, 0, t.Body.Columns[0].X + x) is var s ? (s.Shear, s.Moment) : default;

    private static void Is((double V, double M) actual, double? v, double m, double slack)
    {
        if (v is { } shear)
        {
            actual.V.Should().BeApproximately(shear, slack);
        }

        actual.M.Should().BeApproximately(m, slack);
    }

    private static StrapTrial Even() => Trial(
        Project(Weightless, 5.5, (0.4, 0.4, new(800, 0, 0, 0, 0, 0)), (0.5, 0.5, new(1200, 0, 0, 0, 0, 0))),
        Design(1.4, 22 / 7.0, 2.4, 7 / 3.0));

    [Fact]
    public void Even_pressure_under_both_bases()
    {
        // 800 (0.4) at 0 with a flush edge, 1200 (0.5) at 5.5; the edge base 1.4 long: R1 = 800·5.5/5.0 = 880, R2 = 1120 at 200 kPa.
        var t = Even();
        t.Body.Loads(0).XR.Should().BeApproximately(0, 1e-9);
        t.Body.Parts[0].Loads(0).N.Should().BeApproximately(880, 1e-6);
        t.Body.Parts[1].Loads(0).N.Should().BeApproximately(1120, 1e-6);
        t.Body.Parts[0].Contact(0).Pressure.Peak.Should().BeApproximately(200, 1e-6);
        Is(At(t, 0.2), null, -109.7, 0.05);
        Is(At(t, 1.2), 80.0, -344.0, 1e-6);
        Is(At(t, 3.0), 80.0, -200.0, 1e-6);
        Is(At(t, 4.3), 80.0, -96.0, 1e-6);
        Is(At(t, 5.25), 523.3, 190.6, 0.05);
        Is(At(t, 5.75), null, 210.6, 0.05);
        Is(At(t, 6.7), 0, 0, 1e-6);
        var peak = t.Beam.Sections(0).ToArray().Single(s => Math.Abs(s.Shear) < 1e-6);
        (peak.X - t.Body.Columns[0].X).Should().BeApproximately(1.07273, 1e-5);
        peak.Moment.Should().BeApproximately(-349.1, 0.05);
    }

    [Fact]
    public void One_plane_under_both_bases_with_a_moment()
    {
        // The same bases; My' 150 on the edge column, 600 in place of 1200.
        var t = Trial(Project(Weightless, 5.5, (0.4, 0.4, new(800, 0, 0, 0, 150, 0)), (0.5, 0.5, new(600, 0, 0, 0, 0, 0))),
            Design(1.4, 22 / 7.0, 2.4, 7 / 3.0));
        var (p, x0) = (t.Body.Contact(0).Pressure, t.Body.Columns[0].X);
        p.At(x0 - 0.2, 0).Should().BeApproximately(202.99, 0.005);
        p.At(x0 + 1.2, 0).Should().BeApproximately(177.80, 0.005);
        p.At(x0 + 4.3, 0).Should().BeApproximately(122.00, 0.005);
        p.At(x0 + 6.7, 0).Should().BeApproximately(78.81, 0.005);
        t.Body.Parts[0].Loads(0).N.Should().BeApproximately(837.74, 0.005);
        t.Body.Parts[1].Loads(0).N.Should().BeApproximately(562.26, 0.005);
        Is(At(t, 0.2), null, 40.44, 0.005);
        Is(At(t, 1.2), null, -210.6, 0.05);
        Is(At(t, 5.25), null, 64.64, 0.005);
        Is(At(t, 6.7), 0, 0, 1e-6);
    }

    [Theory]
    [InlineData(1.2, 1, 112.5, 20.506, 244.94, 655.06, 1, 1)]
    [InlineData(2.0, 0.9436, 112.28, 34.291, 107.97, 792.03, 0.8872, 1)]
    [InlineData(2.9, 0.45, double.NaN, double.NaN, 0, 900, 0, 0.9)]
    public void Two_bases_as_one_body(double xR, double share, double a, double b, double first, double last, double firstShare,
        double lastShare)
    {
        // 2 × 2 m each, centres at ±2.5, 900 at xR: full contact, with a lifted edge, and on the second alone at 500 kPa over 1.8 m.
        PlanPoint[] parts = [new(-3.5, -1), new(-1.5, -1), new(-1.5, 1), new(-3.5, 1), new(1.5, -1), new(3.5, -1), new(3.5, 1), new(1.5, 1)];
        PlanPoint[] hull = [new(-3.5, -1), new(3.5, -1), new(3.5, 1), new(-3.5, 1)];
        var found = ContactSolver.Several(hull, parts, 4, 900, xR, 0);
        found.Share.Should().BeApproximately(share, 1e-4);
        if (!double.IsNaN(a))
        {
            found.Pressure.A.Should().BeApproximately(a, 0.005);
            found.Pressure.B.Should().BeApproximately(b, 0.0005);
        }
        else
        {
            found.Pressure.Peak.Should().BeApproximately(500, 1e-6);
        }

        found.Pressure.Over(parts.AsSpan(0, 4)).Force.Should().BeApproximately(first, 0.005);
        found.Pressure.Over(parts.AsSpan(4, 4)).Force.Should().BeApproximately(last, 0.005);
        var (low, high) = (Lifted(-3.5, -1.5), Lifted(1.5, 3.5));
        low.Should().BeApproximately(firstShare, 1e-4);
        high.Should().BeApproximately(lastShare, 1e-4);

        double Lifted(double from, double to)
        {
            var (p, q) = (found.Pressure.Plane(from, 0), found.Pressure.Plane(to, 0));
            return p >= 0 && q >= 0 ? 1 : p < 0 && q < 0 ? 0 : Math.Max(p, q) / Math.Abs(q - p);
        }
    }

    [Fact]
    public void Any_resultant_within_the_hull_is_held()
    {
        var random = from l1 in Gen.Double[0.8, 3]
                     from b1 in Gen.Double[0.8, 4]
                     from l2 in Gen.Double[0.8, 3]
                     from b2 in Gen.Double[0.8, 4]
                     from gap in Gen.Double[0.1, 4]
                     from u in Gen.Double[0.01, 0.99]
                     from v in Gen.Double[-0.97, 0.97]
                     select (l1, b1, l2, b2, gap, u, v);
        random.Sample(g =>
        {
            PlanPoint[] parts =
            [
                new(0, -g.b1 / 2), new(g.l1, -g.b1 / 2), new(g.l1, g.b1 / 2), new(0, g.b1 / 2),
                new(g.l1 + g.gap, -g.b2 / 2), new(g.l1 + g.gap + g.l2, -g.b2 / 2), new(g.l1 + g.gap + g.l2, g.b2 / 2), new(g.l1 + g.gap, g.b2 / 2),
            ];
            var hull = ConvexPolygon.Hull(parts).ToArray();
            var x = g.u * (g.l1 + g.gap + g.l2);
            var (from, to) = ConvexPolygon.Chord(hull, true, x);
            var y = ((from + to) / 2) + (g.v * (to - from) / 2);
            var p = ContactSolver.Several(hull, parts, 4, 1000, x, y).Pressure;
            var (a, b) = (p.Over(parts.AsSpan(0, 4)), p.Over(parts.AsSpan(4, 4)));
            (a.Force + b.Force).Should().BeApproximately(1000, 1e-5);
            (a.MomentX + b.MomentX).Should().BeApproximately(1000 * x, 1e-4);
            (a.MomentY + b.MomentY).Should().BeApproximately(1000 * y, 1e-4);
        }, iter: 2000);
    }

    private static readonly string[] Tops = ["5 T25", "4 T20 hooked", "3 T16", "6 T25 hooked"];

    internal static readonly Gen<(Project Project, StrapDesign Design)> Random =
        from span in Gen.Double[4, 9]
        from n1 in Gen.Double[200, 1500]
        from n2 in Gen.Double[200, 2500]
        from m in Gen.Double[-80, 80].Array[6]
        from l1 in Gen.Double[0.9, 1.8]
        from b1 in Gen.Double[1.5, 3.5]
        from l2 in Gen.Double[1.2, 3]
        from b2 in Gen.Double[1.5, 3.5]
        from h in Gen.Double[0.5, 0.9].Array[2]
        from depth in Gen.Double[0.9, 1.4]
        from wet in Gen.Double[0.2, 3]
        from bars in Gen.Int[0, 3]
        select (Project(Rules with { Ground = DefaultGround with { FoundingDepth = 1.6, Surcharge = 5, WaterDepth = wet, Bearing = 400 } }, span,
            (0.4, 0.5, new(n1, m[0], m[1], m[2], m[3], 0)), (0.5, 0.4, new(n2, 0, m[1], m[4], m[5], 0))),
            Design(l1, b1, l2, b2, h[0], h[1], 0.45, depth, top: Tops[bars], stirrups: bars == 2 ? "T10 @ 450 mm" : "T10 @ 200 mm"));

    [Fact]
    public void The_free_body_closes_at_the_far_end()
    {
        Random.Sample(g =>
        {
            var t = Trial(g.Project, g.Design);
            for (var k = 0; k < t.Combinations.Length; k++)
            {
                if (t.Body.Contact(k).State == ContactState.NoEquilibrium)
                {
                    continue;
                }

                var n = t.Body.Loads(k).N;
                var end = StrapForces.At(t.Body, k, t.Body.HighX);
                end.Shear.Should().BeApproximately(0, 1e-8 * n);
                end.Moment.Should().BeApproximately(0, 1e-7 * n);
                t.Body.Pushed(k).Force.Should().BeApproximately(n, 1e-9 * n);
                t.Body.Balance(k).Difference.Should().BeApproximately(0, 1e-8 * n);
                StrapDiagram.Of(t, k)!.Body.Sum(f => f.Force).Should().BeApproximately(0, 1e-7 * n);
                StrapDiagram.Of(t, k)!.Body.Sum(f => f.Moment).Should().BeApproximately(0, 1e-7 * n);

                // What is designed for is no less than what stands anywhere outside the columns.
                var most = t.Beam.Sections(k).ToArray().Max(s => Math.Abs(s.Moment));
                var shear = t.Beam.Shears(k).ToArray().Max(s => Math.Abs(s.Section.Shear));
                for (var i = 0; i <= 400; i++)
                {
                    var x = t.Body.LowX + ((t.Body.HighX - t.Body.LowX) * i / 400);
                    if (!t.Body.Columns.ToArray().Any(c => x > c.Face(true, -1) && x < c.Face(true, 1)))
                    {
                        Math.Abs(StrapForces.At(t.Body, k, x).Moment).Should().BeLessThanOrEqualTo(most + (1e-9 * n));
                    }

                    // Farther than d from both columns no shear is above what is looked at, lifted ends included.
                    var d = t.Beam.Depth(true);
                    if (t.Body.Columns.ToArray().All(c => x < c.Face(true, -1) - d || x > c.Face(true, 1) + d))
                    {
                        Math.Abs(StrapForces.At(t.Body, k, x).Shear).Should().BeLessThanOrEqualTo(shear + (1e-7 * n));
                    }
                }
            }
        }, iter: 60);
    }

    [Fact]
    public void Turned_in_plan_it_is_the_same()
    {
        Gen.Select(Random, Gen.Double[0, 360]).Sample((g, angle) =>
        {
            var a = Check(g.Project, g.Design);
            var first = g.Project.Actions["C1"][0];
            var last = g.Project.Actions["C2"][0];
            var span = g.Project.Supports[1].X;
            var b = Check(Project(g.Project.Foundations[0].Rules, span, (0.4, 0.5, first.InAxesTurnedBy(-angle)),
                (0.5, 0.4, last.InAxesTurnedBy(-angle)), angle: angle), g.Design);

            // Turned by any angle a force of exactly nothing leaves a last digit, of which a check may speak.
            static List<CheckResult> Asked(FoundationResult r) => [.. r.Checks.Where(c => c.Utilisation > 1e-9)];
            Asked(b).Select(c => (c.Id, c.At)).Should().Equal(Asked(a).Select(c => (c.Id, c.At)));
            foreach (var (x, y) in Asked(a).Zip(Asked(b)))
            {
                y.Utilisation.Should().BeApproximately(x.Utilisation, 1e-6 * Math.Max(1, x.Utilisation), x.Id);
            }
        }, iter: 20);
    }

    [Fact]
    public void Mirrored_across_its_beam_it_is_the_same()
    {
        Random.Sample(g =>
        {
            var a = Check(g.Project, g.Design);
            SupportAction Mirrored(SupportAction x) => x with { Fy = -x.Fy, Mx = -x.Mx, Mz = -x.Mz };
            var b = Check(g.Project with { Actions = g.Project.Actions.ToDictionary(p => p.Key, p => p.Value.Select(Mirrored).ToArray()) }, g.Design);
            foreach (var (x, y) in a.Checks.Zip(b.Checks))
            {
                (y.Id, y.At).Should().Be((x.Id, x.At));
                y.Utilisation.Should().BeApproximately(x.Utilisation, 1e-6 * Math.Max(1, x.Utilisation), x.Id);
            }
        }, iter: 20);
    }

    [Fact]
    public void A_reused_trial_says_what_a_fresh_one_says() =>
        Gen.Select(Random, Random.Array[5]).Sample((g, others) =>
        {
            var reused = new Checker(g.Project, g.Project.Foundations[0]);
            for (var i = 0; i < others.Length; i++)
            {
                reused.Set(others[i].Design);
                var fresh = new Checker(g.Project, g.Project.Foundations[0]);
                fresh.Set(others[i].Design);
                foreach (var check in reused.List.Listed)
                {
                    var limit = i % 2 == 0 ? 1.0 : 0.6;
                    var (exceeds, worst) = (check.Exceeds(reused.Trials[0], limit), check.Worst(fresh.Trials[0]));
                    exceeds.Should().Be(worst is { Outcome: { Shown: false } o } && (o.FailsAnyhow || o.Utilisation > limit + 1e-9), check.Id);
                    (check.Worst(reused.Trials[0])?.Outcome.Utilisation).Should().Be(worst?.Outcome.Utilisation, check.Id);
                }
            }
        }, iter: 25);

    // Both systems write the same rules with constants that are rounded apart.
    private static readonly string[] Alike = ["bearing", "contact", "sliding", "flexure-top-x", "flexure-bottom-x", "flexure-bottom-y",
        "two-way-shear", "column-bearing"];

    [Fact]
    public void Both_systems_of_units_agree() =>
        Random.Sample(g =>
        {
            var (metric, us) = (Check(g.Project, g.Design), Check(g.Project with { Code = Core.Concrete.Codes.ConcreteCodes.Find("aci318-19")! }, g.Design));
            foreach (var c in metric.Checks.Where(c => Alike.Contains(c.Id) && c.Outcome.Utilisation is > 0.05 and < 50))
            {
                us.Checks.Single(x => x.Id == c.Id && x.At == c.At).Outcome.Utilisation
                    .Should().BeApproximately(c.Outcome.Utilisation, 0.03 * c.Outcome.Utilisation, c.Id);
            }
        }, iter: 25);

    [Fact]
    public void Twice_the_loads_and_weights_press_twice()
    {
        // Bearing and moments of the whole grow with all that loads it; shares of contact do not.
        var rules = Weightless;
        Gen.Select(Gen.Double[300, 900], Gen.Double[400, 1500], Gen.Double[-60, 60], Gen.Double[1.5, 3]).Sample((n1, n2, m, times) =>
        {
            Project Of(double f) => Project(rules, 6, (0.4, 0.4, new(f * n1, 0, 0, 0, f * m, 0)), (0.5, 0.5, new(f * n2, 0, 0, f * m, 0, 0)));
            var (a, b) = (Trial(Of(1), Design(1.4, 3, 2.6, 2.6)), Trial(Of(times), Design(1.4, 3, 2.6, 2.6)));
            b.Body.Contact(0).Share.Should().BeApproximately(a.Body.Contact(0).Share, 1e-9);
            b.Body.Contact(0).Pressure.Peak.Should().BeApproximately(times * a.Body.Contact(0).Pressure.Peak, 1e-6 * times * n2);
            foreach (var x in (double[])[0.3, 1.2, 3, 5.7, 6.5])
            {
                var (p, q) = (At(a, x), At(b, x));
                q.V.Should().BeApproximately(times * p.V, 1e-7 * times * n2);
                q.M.Should().BeApproximately(times * p.M, 1e-7 * times * n2);
            }
        }, iter: 40);
    }

    [Theory]
    [InlineData("beam.top", "T20 @ 100 mm", "counted")]
    [InlineData("beam.sides", "T12 @ 200 mm", "counted")]
    [InlineData("beam.stirrups", "6 T10", "spacing")]
    [InlineData("edge.bottom-x", "9 + 4 T16 banded", "lie evenly")]
    [InlineData("beam.stirrups", "T10 @ 200 mm", null)]
    [InlineData("inner.top-y", "9 T16", null)]
    [InlineData("beam.bottom", "none", null)]
    public void How_bars_are_written(string key, string bars, string? fault)
    {
        var said = Strap.FaultOfBars(key, Bars(bars));
        if (fault is null)
        {
            said.Should().BeNull();
        }
        else
        {
            said.Should().Contain(key).And.Contain(fault);
        }
    }

    [Theory]
    [InlineData("edge.length", 4.6, "inner.length", 3.0, "overlap")]
    [InlineData("edge.length", 1.5, "inner.length", 3.0, null)]
    [InlineData("beam.width", 2.0, "edge.width", 1.5, "beam.width is more than edge.width")]
    [InlineData("beam.gap", 0.6, "inner.thickness", 0.5, "over the top of the inner base")]
    [InlineData("beam.depth", 0.3, "edge.thickness", 0.9, "ends below the top of the edge base")]
    [InlineData("beam.width", 0.18, "beam.depth", 0.9, "stirrups are wider than the beam")]
    [InlineData("beam.width", 0.4, "beam.depth", 0.9, null)]
    public void Held_values_that_cannot_stand_together(string a, double x, string b, double y, string? fault)
    {
        var held = new HeldValues { EdgeX0 = new HeldEdge(true, 0) };
        held = held with { Own = held.Own.Add(a, new Kinds.FieldValue.Length(x)).Add(b, new Kinds.FieldValue.Length(y)) };
        var project = Project(Rules, 5.5, (0.4, 0.4, new(500, 0, 0, 0, 0, 0)), (0.5, 0.5, new(900, 0, 0, 0, 0, 0)), held);
        var said = Strap.FaultOfHeld(project.Foundations[0]);
        if (fault is null)
        {
            said.Should().BeNull();
        }
        else
        {
            said.Should().Contain(fault);
        }
    }

    [Fact]
    public void What_it_weighs_is_its_parts_and_where_it_stands_its_outline()
    {
        Random.Sample(g =>
        {
            var (f, d) = (g.Project.Foundations[0], g.Design);
            var q = Strap.Quantities(f, d);
            var clear = (g.Project.Supports[1].X + 0.2 - (d.Inner.Length / 2)) - d.Edge.Length;
            var bases = (d.Edge.Length * d.Edge.Width * d.Edge.Thickness) + (d.Inner.Length * d.Inner.Width * d.Inner.Thickness);
            var proud = (Math.Max(0, d.Beam.Gap + d.Beam.Depth - d.Edge.Thickness) * d.Edge.Length)
                + (Math.Max(0, d.Beam.Gap + d.Beam.Depth - d.Inner.Thickness) * d.Inner.Length);
            q.Concrete.Should().BeApproximately(bases + (d.Beam.Width * ((d.Beam.Depth * clear) + proud)), 1e-9);
            d.Area.Should().BeApproximately((d.Edge.Length * d.Edge.Width) + (d.Inner.Length * d.Inner.Width), 1e-12);
            var parts = Strap.Parts(f, f.Places[0], d);
            parts.Should().HaveCount(3);
            parts[0].Max(c => c.X).Should().BeApproximately(parts[0].Min(c => c.X) + d.Edge.Length, 1e-9);
            (parts[1].Min(c => c.X) - parts[0].Max(c => c.X)).Should().BeApproximately(clear, 1e-9);
        }, iter: 40);
    }

    [Fact]
    public void Without_a_gap_it_tends_to_a_combined_footing()
    {
        // Bases alike in width a hair apart, a beam without weight: contact, V and M are those of one base.
        var (first, last) = ((0.4, 0.4, new SupportAction(700, 20, 0, 0, 60, 0)), (0.4, 0.4, new SupportAction(900, 0, 0, 30, -40, 0)));
        var project = Project(Weightless, 4, first, last);
        var t = Trial(project, Design(2.7, 2.0, 3.0 - 2e-9, 2.0, depth: 0.5 + 1e-9, gap: 0.1));
        var one = CombinedTests.Trial(CombinedTests.Project(Weightless, (0, 0, 0.4, 0.4, first.Item3), (4, 0, 0.4, 0.4, last.Item3)),
            CombinedTests.Design(5.7, 2.0, 2.0, 0.6, new PlanPoint(-2.85 + 0.2 + 2, 0), 2));
        t.Body.Contact(0).Share.Should().BeApproximately(one.Body.Contact(0).Share, 1e-6);
        t.Body.Contact(0).Pressure.Peak.Should().BeApproximately(one.Body.Contact(0).Pressure.Peak, 1e-4);
        foreach (var x in (double[])[0.3, 1.5, 2.5, 3.3, 4.3, 5.2])
        {
            var a = At(t, x);
            var b = one.Long.Section(0, one.Columns[0].X + x);
            a.V.Should().BeApproximately(b.Shear, 1e-3);
            a.M.Should().BeApproximately(b.Moment, 1e-3);
        }
    }

    [Fact]
    public void An_inner_base_that_lifts_fails_whatever_share_is_asked()
    {
        var rules = Weightless with { Stability = new StabilityRules { Contact = 0, ContactTransient = 0, ContactCounteracting = 0 } };
        var project = Project(rules, 5.5, (0.4, 0.4, new(800, 0, 0, 0, 0, 0)), (0.5, 0.5, new(-10, 0, 0, 0, 0, 0)));
        var result = Check(project, Design(1.9, 3, 2.4, 2.4));
        var contact = result.Of("contact");
        contact.Passes.Should().BeFalse();
        contact.At.Should().Be("inner");
        contact.Note.Should().Contain("lifts off");
    }

    [Fact]
    public void Each_base_keeps_its_own_share_in_contact()
    {
        // The edge base a little lifted, the inner one not: the share of the whole would hide it.
        var project = Project(Weightless, 5.5, (0.4, 0.4, new(300, 0, 0, 0, -100, 0)), (0.5, 0.5, new(2600, 0, 0, 0, 1700, 0)));
        var t = Trial(project, Design(1.4, 3, 2.4, 2.4));
        var (edge, inner) = (t.Body.Parts[0].Contact(0).Share, t.Body.Parts[1].Contact(0).Share);
        edge.Should().BeLessThan(1);
        inner.Should().Be(1);
        var contact = Check(project, Design(1.4, 3, 2.4, 2.4)).Of("contact");
        (contact.At, contact.Passes).Should().Be(("edge", false));
        contact.Outcome.Capacity.Should().BeApproximately(edge, 1e-12);
    }
}
