using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Bases under several columns: statics worked by hand, and properties over random ones. Columns stand along x; M is positive where it
/// stretches the bottom.
/// </summary>
public class CombinedTests
{
    internal static readonly CombinedKind Combined = new();

    internal static readonly RuleSet Weightless = Rules with
    {
        Ground = DefaultGround with { SoilWeight = 0, FoundingDepth = 0.6 },
        Concrete = DefaultConcrete with { Weight = 0 }
    };

    internal static Project Project(RuleSet rules, params (double X, double Y, double Cx, double Cy, SupportAction Action)[] columns)
    {
        Support[] supports = [
            .. columns.Select((c, i) => new Support($"C{i + 1}", c.X, c.Y, null, ColumnShape.Rectangular, c.Cx, c.Cy, 0, 0, 0, "", ""))];
        var one = OneAction(columns[0].Action, rules);
        var angle = Math.Atan2(supports[^1].Y - supports[0].Y, supports[^1].X - supports[0].X) * 180 / Math.PI;
        return one with
        {
            Supports = supports,
            Actions = supports.Zip(columns, (s, c) => (s.Label, c.Action)).ToDictionary(p => p.Label, p => new[] { p.Action }),
            Foundations = [new Foundation("CF1", [new Place(supports, angle, rules.Ground)], false, HeldValues.Nothing,
                rules) { Kind = Combined }],
        };
    }

    internal static CombinedDesign Design(double length, double low, double high, double thickness, PlanPoint offset, int columns,
        string top = "14 T20", string acrossTop = "none") =>
        new(new BaseSize(length, low, thickness), high, offset, Bars("14 T20"), Bars(top), Bars(acrossTop), Bars("T12 @ 200 mm"),
            [.. Enumerable.Range(1, columns).Select(i => new ColumnDesign($"C{i}", Bars("9 T16"), new Upright(null, BarSpec.None)))]);

    internal static CombinedTrial Trial(Project project, CombinedDesign design)
    {
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        return (CombinedTrial)checker.Trials[0];
    }

    // Where the base's −x end lies, x counts from there.
    private static (double V, double M) At(CombinedTrial t, double fromEnd) =>
        t.Long.Section(0, t.Body.LowX + fromEnd) is var s ? (s.Shear, s.Moment) : default;

    private static void Is((double V, double M) actual, double v, double m, double slack = 0.06)
    {
        actual.V.Should().BeApproximately(v, slack * Math.Max(1, Math.Abs(v) / 100));
        actual.M.Should().BeApproximately(m, slack * Math.Max(1, Math.Abs(m) / 100));
    }

    private static LongSection Peak(CombinedTrial t, double between, double and) =>
        t.Long.Sections(0).ToArray().Single(s => Math.Abs(s.Shear) < 1e-6 && s.X > between && s.X < and);

    [Fact]
    public void Even_pressure_under_two_columns()
    {
        // Columns 600 (0.4) and 900 (0.5) 4.5 m apart on 6.0 × 2.2, the end 0.3 m before the first: the resultant is at the centroid, 250
        // kN/m.
        var project = Project(Weightless, (0, 0, 0.4, 0.4, new(600, 0, 0, 0, 0, 0)), (4.5, 0, 0.5, 0.4, new(900, 0, 0, 0, 0, 0)));
        var t = Trial(project, Design(6.0, 2.2, 2.2, 0.6, new PlanPoint(-0.45, 0), 2));
        t.Body.Loads(0).XR.Should().BeApproximately(0, 1e-12);
        t.Body.Contact(0).Pressure.At(0, 0).Should().BeApproximately(250 / 2.2, 1e-9);
        Is(At(t, 0.1), 25.0, 1.25, 1e-9);
        Is(At(t, 0.5), -475.0, -88.75, 1e-9);
        Is(At(t, 4.55), 537.5, 37.81, 0.006);
        Is(At(t, 5.05), -237.5, 112.8, 0.06);
        Is(At(t, 0.5 + 0.55), -337.5, -312.2, 0.06);
        Is(At(t, 4.55 - 0.55), 400.0, -220.0, 0.006);
        Is(At(t, 6.0), 0, 0, 1e-9);
        var peak = Peak(t, -2.5, 1.5);
        (peak.X - t.Body.LowX).Should().BeApproximately(2.4, 1e-9);
        peak.Moment.Should().BeApproximately(-540.0, 1e-6);
    }

    [Fact]
    public void A_base_partly_lifted_under_two_columns_with_moments()
    {
        // 6 × 2 m; from the centroid 400 at −1.5 with My' 150, 800 at +2.0 with 300: e = 1.2083, contact over 5.375 m, 223.26 kPa at most.
        var project = Project(Weightless, (0, 0, 0.4, 0.4, new(400, 0, 0, 0, 150, 0)), (3.5, 0, 0.4, 0.4, new(800, 0, 0, 0, 300, 0)));
        var t = Trial(project, Design(6.0, 2.0, 2.0, 0.6, new PlanPoint(0.25, 0), 2));
        var contact = t.Body.Contact(0);
        t.Body.Loads(0).XR.Should().BeApproximately(1.2083, 1e-4);
        contact.Share.Should().BeApproximately(0.8958, 1e-4);
        contact.Pressure.Peak.Should().BeApproximately(223.26, 0.01);
        Is(At(t, 3 - 1.7), 18.92, 4.258, 0.006);
        Is(At(t, 3 - 1.3), -352.0, 87.20, 0.06);
        Is(At(t, 3 + 1.8), 324.0, -162.4, 0.06);
        Is(At(t, 3 + 2.2), -330.6, 135.8, 0.06);
        Is(At(t, 6), 0, 0, 1e-9);
        var peak = Peak(t, -1.3, 1.8);
        peak.X.Should().BeApproximately(0.72826, 1e-5);
        peak.Moment.Should().BeApproximately(-327.5, 0.06);
    }

    [Fact]
    public void Weights_on_the_lifted_overhang_stretch_its_top()
    {
        // The same with 20 kPa of weight: ΣN 1440, e 1.0069, 240.84 kPa, share 0.99653.
        var rules = Rules with
        {
            Ground = DefaultGround with { SoilWeight = 0, FoundingDepth = 0.6 },
            Concrete = DefaultConcrete with { Weight = 20 / 0.6 }
        };
        var project = Project(rules, (0, 0, 0.4, 0.4, new(400, 0, 0, 0, 150, 0)), (3.5, 0, 0.4, 0.4, new(800, 0, 0, 0, 300, 0)));
        var t = Trial(project, Design(6.0, 2.0, 2.0, 0.6, new PlanPoint(0.25, 0), 2));
        t.Body.Loads(0).N.Should().BeApproximately(1440, 1e-9);
        t.Body.Loads(0).XR.Should().BeApproximately(1.0069, 1e-4);
        t.Body.Contact(0).Pressure.Peak.Should().BeApproximately(240.84, 0.01);
        t.Body.Contact(0).Share.Should().BeApproximately(0.99653, 1e-5);
        Is(At(t, 3 - 1.7), 13.91, -5.698, 0.006);
        Is(At(t, 3 - 1.3), -354.4, 75.77, 0.06);
        Is(At(t, 3 + 1.8), 328.0, -165.2, 0.06);
        Is(At(t, 3 + 2.2), -327.6, 134.5, 0.06);
        var overhang = Peak(t, -3, -1.7);
        overhang.X.Should().BeApproximately(-1.9657, 1e-4);
        overhang.Moment.Should().BeApproximately(-7.419, 1e-3);
        var peak = Peak(t, -1.3, 1.8);
        peak.X.Should().BeApproximately(0.7108, 1e-4);
        peak.Moment.Should().BeApproximately(-335.2, 0.06);
        t.NeedsTopSteel.Should().BeTrue();
    }

    [Fact]
    public void A_trapezoid_under_the_resultant_bears_evenly()
    {
        // Area 9.9 m², length 5.5, centroid 2.4 m from −x: 2.4873 and 1.1127 m wide; 1000 at 0.3 and 777.78 at 5.1 m from −x: 179.57 kPa
        // everywhere.
        var (area, length, centroid) = (9.9, 5.5, 2.4);
        var high = (2 * area / length * ((3 * centroid / length) - 1));
        var low = (2 * area / length) - high;
        low.Should().BeApproximately(2.4873, 1e-4);
        var second = 1000.0 * (centroid - 0.3) / (5.1 - centroid);
        var project = Project(Weightless, (0, 0, 0.4, 0.4, new(1000, 0, 0, 0, 0, 0)), (4.8, 0, 0.4, 0.4, new(second, 0, 0, 0, 0, 0)));
        var t = Trial(project, Design(length, low, high, 0.6, new PlanPoint(0.3 + 2.4 - centroid, 0), 2));
        t.Body.LowX.Should().BeApproximately(-centroid, 1e-9);
        t.Body.Area.Should().BeApproximately(area, 1e-9);
        foreach (var c in t.Body.Outline.ToArray())
        {
            t.Body.Contact(0).Pressure.At(c.X, c.Y).Should().BeApproximately(179.57, 0.01);
        }

        Is(At(t, 0.5), -782.3, -145.1, 0.06);
        Is(At(t, 4.9), 649.8, -118.0, 0.06);
        Is(At(t, length), 0, 0, 1e-6);
        var peak = Peak(t, -1.9, 2.5);
        (peak.X - t.Body.LowX).Should().BeApproximately(2.5710, 1e-4);
        peak.Moment.Should().BeApproximately(-921.9, 0.06);
    }

    [Theory]
    [InlineData(0, 0, 368.2, 165.7)]
    [InlineData(-225, 0, 516.5, 247.8)]
    [InlineData(0, 0.25, 516.5, 247.8)]
    [InlineData(-495, 0, 714.0, 361.5)]
    public void A_cross_band_presses_linearly_without_tension(double mx, double y, double v, double m)
    {
        // B 2.2, N 900: the face is 0.2 m from the centreline; both signs press +y.
        var project = Project(Weightless, (0, y, 0.4, 0.4, new(900, 0, 0, mx, 0, 0)), (6, y, 0.4, 0.4, new(900, 0, 0, mx, 0, 0)));
        var t = Trial(project, Design(8, 2.2, 2.2, 0.6, new PlanPoint(0, y), 2));
        var f = t.Bands[0].Beyond(0, 1, y == 0 ? 0 : -y);
        f.At.Should().BeApproximately(0.2, 1e-12);
        f.ShearUp.Should().BeApproximately(v, 0.06);
        f.MomentUp.Should().BeApproximately(m, 0.06);
    }

    [Fact]
    public void A_cross_band_whose_resultant_lies_outside_it_fails()
    {
        var project = Project(Weightless, (0, 0, 0.4, 0.4, new(900, 0, 0, -990, 0, 0)), (6, 0, 0.4, 0.4, new(4000, 0, 0, 0, 0, 0)));
        var r = new Checker(project, project.Foundations[0]).Check(Design(8, 2.2, 2.2, 0.9, new PlanPoint(-2.5, 0), 2))
            .Of("flexure-bottom-y");
        r.Utilisation.Should().Be(99.99);
        r.At.Should().Be("C1");
    }

    [Fact]
    public void One_section_round_two_columns()
    {
        // 4.2 × 2.6; 0.4 m square at ∓0.45 with 1000 and 1400; d 0.5: 1.8 × 0.9, bo 5.4, J 1.2525, γv 0.48528, Vu 2043.96, My,c 175.10,
        // 757.0 + 61.1 kPa.
        var rules = Weightless with { Concrete = Weightless.Concrete with { CoverBottom = 0.081 } };
        var project = Project(rules, (0, 0, 0.4, 0.4, new(1000, 0, 0, 0, 0, 0)), (0.9, 0, 0.4, 0.4, new(1400, 0, 0, 0, 0, 0)));
        var t = Trial(project, Design(4.2, 2.6, 2.6, 0.6, new PlanPoint(0, 0), 2));
        t.Columns[0].MeanDepth(true).Should().BeApproximately(0.5, 1e-12);
        var both = t.Punched.ToArray().Single(p => p.Columns.Length == 2);
        both.At.Should().Be("C1+C2");
        var f = Figures.PunchingFigure.Of(both, 0)!;
        f.Perimeter.Should().BeApproximately(5.4, 1e-12);
        f.Shear.Should().BeApproximately(2043.96, 0.01);
        f.Stresses.Max()!.Value.Should().BeApproximately(818.1, 0.06);
        var steps = new Checker(project, project.Foundations[0]).Trace(Design(4.2, 2.6, 2.6, 0.6, new PlanPoint(0, 0), 2), "two-way-shear",
            null, null, "C1+C2")!.Value.Steps;
        double Value(string symbol) => steps.Last(x => x.Symbol == symbol).Value;
        Value("Jy").Should().BeApproximately(1.2525, 1e-4);
        Value("γv,y").Should().BeApproximately(0.48528, 1e-5);
        Value("My,c").Should().BeApproximately(175.10, 0.01);
        Value("v0").Should().BeApproximately(757.0, 0.06);
        steps.SelectMany(x => x.Formula)
            .First(x => x.Text is null && x.Symbol.Symbol == "β").Symbol.Value.Should().BeApproximately(3.25, 1e-12,
                "of the rectangle round both columns");
    }

    [Theory]
    [InlineData(4.2, 0.60, 1.2530, false)]
    [InlineData(6.0, 0.60, 1.8465, true)]
    [InlineData(6.0, 0.75, 1.5619, false)]
    public void How_rigid_it_is(double spacing, double thickness, double product, bool told)
    {
        // k 20 MN/m3, f'c 25 MPa: λ = (3·20/(23500·0.6³))^¼ = 0.32973 /m, 0.27892 /m of 0.75 m; the clear span is 0.4 m less than the
        // spacing.
        var rules = Weightless with
        {
            Ground = Weightless.Ground with { SubgradeModulus = 20e3 },
            Concrete = Weightless.Concrete with { Strength = 25e3 }
        };
        var project = Project(rules, (0, 0, 0.4, 0.4, new(600, 0, 0, 0, 0, 0)), (spacing, 0, 0.4, 0.4, new(900, 0, 0, 0, 0, 0)));
        var t = Trial(project, Design(spacing + 1.4, 2.2, 2.2, thickness, default, 2));
        Rigidity.Of(t)!.Value.Should().BeApproximately(product, 1e-4);
        TrialNotes.Of(t).Any(n => n.StartsWith("λ·ℓ = ", StringComparison.Ordinal)).Should().Be(told);
        var unknown = Trial(Project(Weightless, (0, 0, 0.4, 0.4, new(600, 0, 0, 0, 0, 0)), (spacing, 0, 0.4, 0.4, new(900, 0, 0, 0, 0, 0))),
            Design(spacing + 1.4, 2.2, 2.2, thickness, default, 2));
        TrialNotes.Of(unknown).Should().Contain(n => n.StartsWith("no subgrade modulus", StringComparison.Ordinal));
    }

    internal sealed record Case((double N, double Fx, double Fy, double Mx, double My)[] Loads, double[] Gaps, double[] Side, double L,
        double Low, double High, double Ox, double Oy);

    internal static readonly Gen<Case> Cases = Gen.Select(
        Gen.Select(Gen.Double[-150, 1500], Gen.Double[-40, 40], Gen.Double[-40, 40], Gen.Double[-120, 120], Gen.Double[-150, 150]).Array[3],
        Gen.Double[0.8, 4].Array[2], Gen.Double[-0.3, 0.3].Array[3], Gen.Double[0.3, 2], Gen.Double[1.6, 3.2], Gen.Double[1.6, 3.2],
        Gen.Double[-0.15, 0.15], Gen.Double[-0.2, 0.2])
        .Select((loads, gaps, side, beyond, low, high, ox, oy) => new Case(loads, gaps, side, gaps.Sum() + 0.8 + (2 * beyond), low, high,
            ox, oy));

    internal static (Project Project, CombinedDesign Design) Make(Case c, double mirror = 1)
    {
        var at = 0.0;
        var columns = c.Loads.Select((l, i) =>
        {
            at += i == 0 ? 0 : c.Gaps[i - 1];
            return (at, mirror * (i is 0 or 2 ? 0 : c.Side[i]), 0.4, 0.35,
                new SupportAction(l.N, l.Fx, mirror * l.Fy, mirror * l.Mx, l.My, 0));
        }).ToArray();
        var heavy = Rules with { Ground = DefaultGround with { FoundingDepth = 1.4, Bearing = 1e4 } };
        return (Project(heavy, columns), Design(c.L, c.Low, c.High, 0.7, new PlanPoint(c.Ox, mirror * c.Oy), 3, "14 T20", "T12 @ 200 mm"));
    }

    [Fact]
    public void The_free_body_closes_at_the_end_and_the_ground_carries_all_loads() => Cases.Sample(
        c =>
        {
            var (project, design) = Make(c);
            var t = Trial(project, design);
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium)
            {
                return;
            }

            var l = t.Body.Loads(0);
            var p = t.Body.Contact(0).Pressure.Over(t.Body.Outline);
            p.Force.Should().BeApproximately(l.N, 1e-9 * l.N);
            p.MomentX.Should().BeApproximately(l.My, 1e-8 * l.N * c.L);
            p.MomentY.Should().BeApproximately(-l.Mx, 1e-8 * l.N * c.L);
            var end = t.Long.Section(0, t.Body.HighX);
            end.Shear.Should().BeApproximately(0, 1e-9 * l.N * 10);
            end.Moment.Should().BeApproximately(0, 1e-8 * l.N * c.L);
            var start = t.Long.Section(0, t.Body.LowX);
            start.Shear.Should().BeApproximately(0, 1e-9 * l.N);
            start.Moment.Should().BeApproximately(0, 1e-9 * l.N * c.L);

            // By many thin strips: M is the sum of V.
            var (x0, x1) = (t.Body.LowX, t.Long.Columns[0].X);
            var sum = 0.0;
            const int strips = 400;
            for (var i = 0; i < strips; i++)
            {
                sum += t.Long.Section(0, x0 + ((x1 - 0.2 - x0) * (i + 0.5) / strips)).Shear * (x1 - 0.2 - x0) / strips;
            }

            t.Long.Section(0, x1 - 0.2).Moment.Should().BeApproximately(sum, 1e-4 * l.N);
        },
        iter: 200);

    // 318-19: fewer bars hold less shear; those of the top are few.
    [Fact]
    public void Beyond_d_of_every_column_shear_is_held_by_the_bars_that_are_stretched_there() => Cases.Sample(
        c =>
        {
            var (project, design) = Make(c with { Low = c.High, Loads = [.. c.Loads.Select(l => l with { N = 500 + Math.Abs(l.N) })] });
            var t = Trial(project, design with { TopX = Bars("5 T20") });

            // Where the ground pushes up all along shear falls from every column on.
            if (t.Body.Contact(0).State != ContactState.Full
                || t.Body.Outline.ToArray().Min(o => t.Body.Contact(0).Pressure.Plane(o.X, o.Y)) < t.Body.PressedPerArea(0))
            {
                return;
            }

            var check = t.Checks.Find("one-way-shear-x")!.Worst(t);
            var used = check is { } found ? found.Outcome.Utilisation : 0;
            var none = default(Tracing.NoTrace);
            for (var i = 0; i < 400; i++)
            {
                var x = t.Long.Low + (t.Long.Length * (i + 0.5) / 400);
                var at = t.Long.Section(0, x);
                if (t.Columns.ToArray().All(k => Math.Abs(x - k.X) > 0.2 + t.Long.Depth(true)) && Math.Abs(at.Shear) > 1e-6 * t.Body.Loads(0).N)
                {
                    used.Should().BeGreaterThanOrEqualTo((Math.Abs(at.Shear) / t.Long.Sheared(at.Moment >= 0, t.Long.Layer(at.Moment >= 0).Area, x, ref none)) - 1e-4,
                        $"V {at.Shear} M {at.Moment} at {x}");
                }
            }
        },
        iter: 200);

    [Fact]
    public void A_mirrored_base_is_used_alike() => Cases.Sample(c => AreUsedAlike(Make(c), Make(c, -1)), iter: 100);

    internal static void AreUsedAlike((Project Project, CombinedDesign Design) one, (Project Project, CombinedDesign Design) other)
    {
        var (a, b) = (new Checker(one.Project, one.Project.Foundations[0]).Check(one.Design),
            new Checker(other.Project, other.Project.Foundations[0]).Check(other.Design));
        a.Checks.Should().HaveSameCount(b.Checks);
        foreach (var (x, y) in a.Checks.Zip(b.Checks))
        {
            (y.Id, y.At).Should().Be((x.Id, x.At));
            y.Utilisation.Should().BeApproximately(x.Utilisation, 1e-6 * Math.Max(1, x.Utilisation), x.Id);
        }
    }

    [Fact]
    public void Under_one_column_it_is_the_isolated_footing_in_all_but_what_spans() => Gen.Select(
        Gen.Select(Gen.Double[200, 1500], Gen.Double[-40, 40], Gen.Double[-40, 40], Gen.Double[-100, 100], Gen.Double[-100, 100]),
        Gen.Double[1.6, 3.4], Gen.Double[1.6, 3.4], Gen.Double[-0.25, 0.25], Gen.Double[-0.25, 0.25]).Sample(
        (load, one, other, ox, oy) =>
        {
            // Longer along x: across it is the short way, whose bars the isolated footing spreads otherwise.
            var (length, width) = (Math.Max(one, other), Math.Min(one, other));
            var action = new SupportAction(load.Item1, load.Item2, load.Item3, load.Item4, load.Item5, 0);
            var rules = Rules with
            {
                Ground = DefaultGround with { FoundingDepth = 1.4, PassiveCoefficient = 1.5, WaterDepth = 0.9 },
                Column = new ColumnRules { Strength = 35e3 }
            };
            var combined = Project(rules, (0, 0, 0.45, 0.4, action));
            var alone = OneAction(action, rules, Column(0.45, 0.4), new HeldValues { OffsetX = ox, OffsetY = oy });
            var design = new CombinedDesign(new BaseSize(length, width, 0.6), width, new PlanPoint(ox, oy), Bars("13 T16"), Bars("13 T16"),
                Bars("13 T16"), Bars("13 T16"), [new ColumnDesign("C1", Bars("13 T16"), new Upright(null, Bars("8 T16")))]);
            var isolated = Given.Design(length, width, 0.6, "13 T16", "13 T16", "13 T16", "13 T16") with { Dowels = Bars("8 T16") };
            var (a, b) = (Check(alone, isolated), new Checker(combined, combined.Foundations[0]).Check(design));
            foreach (var check in a.Checks.Where(k => !k.Id.EndsWith("-y", StringComparison.Ordinal)
                || k.Id.StartsWith("overturning", StringComparison.Ordinal)))
            {
                // Bars across stand in a band.
                if (check.Id == "punching-steel")
                {
                    continue;
                }

                if (check.Id == "flexure-top-x")
                {
                    b.Of(check.Id).Utilisation.Should().BeGreaterThanOrEqualTo(check.Utilisation - 1e-9,
                        "within the overhang the top may be stretched more than at the face");
                    continue;
                }

                b.Of(check.Id).Utilisation.Should().BeApproximately(check.Utilisation, 1e-9 * Math.Max(1, check.Utilisation), check.Id);
            }
        },
        iter: 150);

    [Fact]
    public void Two_equal_squares_symmetrically_loaded_each_press_as_they_would_alone() =>
        Gen.Select(Gen.Double[1.5, 3], Gen.Double[200, 900], Gen.Double[-60, 60]).Sample((side, n, mx) =>
    {
        // Columns in the middles of two squares side by side, moments across alike: no square leans on the other.
        SupportAction action = new(n, 0, 0, mx, 0, 0);
        var together = Project(Weightless, (0, 0, 0.4, 0.4, action), (side, 0, 0.4, 0.4, action));
        var pair = Trial(together, Design(2 * side, side, side, 0.6, default, 2));
        var alone = Project(Weightless, (0, 0, 0.4, 0.4, action));
        var square = Trial(alone, Design(side, side, side, 0.6, default, 1));
        pair.Body.Contact(0).Share.Should().BeApproximately(square.Body.Contact(0).Share, 1e-9);
        foreach (var (x, y) in new[] { (0.0, 0.0), (-0.4, 0.45), (0.3, -0.45), (0.49, 0.49) })
        {
            var own = square.Body.Contact(0).Pressure.At(x * side, y * side);
            pair.Body.Contact(0).Pressure.At((x - 0.5) * side, y * side).Should().BeApproximately(own, 1e-7 * Math.Max(1, own));
            pair.Body.Contact(0).Pressure.At((x + 0.5) * side, y * side).Should().BeApproximately(own, 1e-7 * Math.Max(1, own));
        }
    });

    [Fact]
    public void Live_load_on_one_column_alone_is_asked_for_and_checked_where_it_is_stated()
    {
        // Two like columns: all live loads press evenly, those of one bay alone lean on the base.
        SupportAction On(double n) => new(n, 0, 0, 0, 0, 0);
        (LoadCase Case, double First, double Second)[] all = [(new("DEAD", LoadSymbol.D), 300, 300), (new("LIVE", LoadSymbol.L), 300, 300)];
        const string Word = "floors";
        (LoadCase Case, double First, double Second)[] bays =
        [
            all[0], (all[1].Case with { Alternatives = Word }, 300, 300),
            (new("WEST", LoadSymbol.L, Alternatives: Word), 300, 0), (new("EAST", LoadSymbol.L, Alternatives: Word), 0, 300),
        ];
        Project Of((LoadCase Case, double First, double Second)[] loads)
        {
            LoadCase[] cases = [.. loads.Select(l => l.Case)];
            var kind = new CombinedKind();
            List<Support> supports = [Column(0.4, 0.4) with { Label = "C1" }, Column(0.4, 0.4) with { Label = "C2", X = 2.5 }];
            var rules = kind.RulesOf(Rules);
            return Given.Project(cases, [.. cases.Select(_ => default(SupportAction))],
                CombinationBuilder.Build(LoadStandards.Find("asce7-16")!, cases, new LoadOptions(), []), Rules, supports[0]) with
            {
                Supports = supports,
                Actions = new Dictionary<string, SupportAction[]>
                {
                    ["C1"] = [.. loads.Select(l => On(l.First))],
                    ["C2"] = [.. loads.Select(l => On(l.Second))],
                },
                Foundations = [new Foundation("CF1", [new Place(supports, 0, rules.Ground)], false, HeldValues.Nothing, rules) { Kind = kind }],
            };
        }

        var (whole, stated) = (Of(all), Of(bays));
        NotChecked.Of(whole, whole.Foundations[0]).Select(n => n.Id).Should().Contain("partial-live");
        NotChecked.Of(stated, stated.Foundations[0]).Select(n => n.Id).Should().NotContain("partial-live");
        var design = (CombinedDesign)Core.Sizing.FoundationSizer.Of(whole, whole.Foundations[0]).Size().Design!;
        var (one, other) = (Given.Check(whole, design), Given.Check(stated, design));
        foreach (var c in one.Checks)
        {
            other.Checks.Single(o => (o.Id, o.At) == (c.Id, c.At)).Utilisation.Should().BeGreaterThanOrEqualTo(c.Utilisation * (1 - 1e-9), c.Id);
        }

        other.Checks.Select(c => c.Combination).OfType<string>().Should().Contain(n => n.EndsWith(":WEST") || n.EndsWith(":EAST"));
    }
}
