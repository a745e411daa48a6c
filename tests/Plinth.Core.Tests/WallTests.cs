using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Kinds.Wall;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Walls on their footings: statics worked by hand, properties over random ones, and the search held against brute force.</summary>
public class WallTests
{
    internal static readonly WallKind Kind = new();

    private static readonly LoadStandard Asce = LoadStandards.Find("asce7-16")!;

    /// <summary>A wall of a length and thickness from the origin along x, turned by an angle, with one action a case.</summary>
    internal static Project Project(WallRules wall, double length, double thickness, IReadOnlyList<(LoadCase Case, SupportAction Action)> loads,
        RuleSet? rules = null, HeldValues? held = null, string code = "aci318m-19", double angle = 0, double? level = null)
    {
        rules = Kind.RulesOf(rules ?? Rules);
        var (sin, cos) = Math.SinCos(angle * Math.PI / 180);
        var support = Support.Wall("W1", 0, 0, length * cos, length * sin, thickness, level, "", "") with
        {
            IsMasonryWall = wall.IsMasonry,
        };
        List<LoadCase> cases = [.. loads.Select(l => l.Case), .. wall.Retained is null ? [] : Asce.BehindWalls];
        SupportAction[] actions = [.. loads.Select(l => l.Action.InAxesTurnedBy(-angle)), .. cases.Skip(loads.Count).Select(_ => default(SupportAction))];
        var foundation = new Foundation("WF1", [new Place(support, support.AngleDegrees, rules.Ground)], false, held ?? HeldValues.Nothing, rules)
        {
            Kind = Kind,
            Wall = wall,
        };
        return Given.Project(cases, actions, CombinationBuilder.Build(Asce, cases, new LoadOptions(), []), rules, support, held, code) with
        {
            Foundations = [foundation],
        };
    }

    internal static WallDesign Design(double first, double second, double h, bool byFaces = false, string across = "T16 @ 150 mm",
        StemBars? stem = null) => new(new BaseSize(0, 0, h), new WallEdges(first, second, byFaces), Bars("T16 @ 200 mm"), Bars(across),
            Bars("T16 @ 200 mm"), Bars(across))
        { Stem = stem ?? StemBars.None };

    internal static WallTrial Trial(Project project, WallDesign design)
    {
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        return (WallTrial)checker.Trials[0];
    }

    private static int Named(WallTrial t, string name) => Enumerable.Range(0, t.Combinations.Length).First(k => t.Combinations[k].Name == name);

    private static readonly StemBars Usual = new(Bars("T16 @ 150 mm"), Bars("T12 @ 200 mm"), Bars("T12 @ 200 mm"));

    // Per metre: base 0.45, toe 0.9, wall 0.35 × 3.5, heel 2.0; soil 3.5 behind, 0.4 in front; γ 18.5, concrete 24, φ 32°, μ 0.5.
    private static WallTrial Retaining(double surcharge = 0)
    {
        var ground = DefaultGround with { FoundingDepth = 0.85, SoilWeight = 18.5, Friction = 0.5 };
        var wall = new WallRules
        {
            Stem = new StemRules(3.5),
            Retained = new RetainedSoil(true, 3.5) { FrictionAngle = 32, Surcharge = surcharge },
        };
        var project = Project(wall, 6, 0.35, [(new LoadCase("DEAD", LoadSymbol.D), default)], Rules with { Ground = ground });
        return Trial(project, Design(2.0, 0.9, 0.45, true, stem: Usual));
    }

    private static (double Up, double MomentUp, double Down, double MomentDown) Per(WallTrial t, int k, int side, double fromFace = 0)
    {
        var f = t.Spans(false)[0].Beyond(k, side, fromFace);
        return (f.ShearUp / 6, f.MomentUp / 6, f.ShearDown / 6, f.MomentDown / 6);
    }

    [Fact]
    public void A_retaining_wall_a_metre_of_it()
    {
        var t = Retaining();
        var behind = t.Body.Backing!;
        behind.Soil!.Coefficient.Should().BeApproximately(0.30726, 5e-6);
        (behind.Soil with { AtRest = true }).Coefficient.Should().BeApproximately(0.47008, 5e-6);
        behind.Pressure!.Above(RetainedLoad.Earth, false, 3.95).Force.Should().BeApproximately(44.34, 0.005);
        var s = Named(t, "S1:EARTH");
        var l = t.Body.Loads(s);
        (l.N / 6).Should().BeApproximately(200.66, 0.005);
        (l.Fy / 6).Should().BeApproximately(-44.34, 0.005);
        l.YR.Should().BeApproximately(-0.0072, 5e-5, "towards the toe");
        var p = t.Body.Contact(s).Pressure;
        p.At(0, t.Body.LowY).Should().BeApproximately(62.56, 0.005);
        p.At(0, t.Body.HighY).Should().BeApproximately(60.92, 0.005);
        var tipping = t.Checks.Find("overturning-y")!.Findings(t).Single();
        var none = default(Core.Tracing.NoTrace);
        var over = Core.Checks.OnGround.Overturning<Core.Bodies.AxisY>.Evaluate(t.Body, default, s, ref none);
        (over.Demand / 6).Should().BeApproximately(58.39, 0.005);
        (over.Capacity / 6).Should().BeApproximately(383.0, 0.05);
        (over.Capacity / over.Demand).Should().BeApproximately(6.56, 0.005);
        var sliding = Core.Checks.OnGround.Sliding.Evaluate(t.Body, default, s, ref none);
        (sliding.Capacity / sliding.Demand).Should().BeApproximately(2.263, 0.0005);
        tipping.Outcome.Passes.Should().BeTrue();
    }

    [Fact]
    public void The_same_with_what_stands_on_the_soil()
    {
        // 10 kPa behind, its weight not on the heel in what holds.
        var t = Retaining(10);
        var s = Named(t, "S2:EARTH");
        var l = t.Body.LoadsWithoutSurcharge(s);
        (l.Fy / 6).Should().BeApproximately(-56.48, 0.005);
        (l.N / 6).Should().BeApproximately(200.66, 0.005);
        t.Body.ContactWithoutSurcharge(s).Pressure.At(0, t.Body.LowY).Should().BeApproximately(76.18, 0.005);
        var none = default(Core.Tracing.NoTrace);
        var over = Core.Checks.OnGround.Overturning<Core.Bodies.AxisY>.Evaluate(t.Body, default, s, ref none);
        (over.Demand / 6).Should().BeApproximately(82.36, 0.005);
        (over.Capacity / over.Demand).Should().BeApproximately(4.651, 0.0005);
        (t.Body.Loads(s).N / 6).Should().BeApproximately(220.66, 0.005, "on the ground it presses");

        // It may stand behind the heel alone: as much thrust, no weight; whichever is worse is checked.
        t.Place.OffHeel[s].Should().BeFalse();
        var off = s + 1;
        (t.Combinations[off].Name, t.Place.OffHeel[off], t.Place.Repeats[off]).Should().Be(("S2:EARTH", true, true));
        (t.Body.Loads(off).N / 6, t.Body.Loads(off).Fy / 6).Should().Be((l.N / 6, l.Fy / 6));
        t.Body.Contact(off).Pressure.At(0, t.Body.LowY).Should().BeApproximately(76.18, 0.005);
        var bearing = t.Checks.Find("bearing")!.Worst(t)!.Value;
        (bearing.Combination, bearing.Outcome.Demand).Should().Be((off, t.Body.Contact(off).Pressure.Peak));
    }

    [Fact]
    public void Strength_by_the_least_and_by_the_usual_dead_load()
    {
        var t = Retaining();
        var least = Named(t, "U5:noW:EARTH");
        var p = t.Body.Contact(least).Pressure;
        p.At(0, t.Body.LowY).Should().BeApproximately(79.52, 0.005);
        p.At(0, t.Body.HighY).Should().BeApproximately(31.61, 0.005);
        var (toe, heel) = (Per(t, least, -1), Per(t, least, 1));
        (toe.Up, toe.MomentUp).Should().Be((toe.Up, toe.MomentUp));
        toe.Up.Should().BeApproximately(50.86, 0.005);
        toe.MomentUp.Should().BeApproximately(23.78, 0.005);
        heel.Down.Should().BeApproximately(43.28, 0.005);
        heel.MomentDown.Should().BeApproximately(53.11, 0.005);
        var stem = t.Stem!.AtBase(least, 1);
        stem.Moment.Should().BeApproximately(64.99, 0.005);
        stem.Shear.Should().BeApproximately(1.6 * 34.82, 0.02);
        stem.Force.Should().BeApproximately(0.9 * 29.4, 1e-9);
        t.Stem.AtBase(Named(t, "U1:EARTH"), 1).Moment.Should().BeApproximately(1.6 * 40.62, 0.01);

        // 1.2D + 1.6H has no combination of its own without live load: the same wall with 1.2 for the dead load.
        var usual = Retaining(1e-9);
        var k = Named(usual, "U2:EARTH");
        var q = usual.Body.Contact(k).Pressure;
        q.At(0, t.Body.LowY).Should().BeApproximately(88.34, 0.005);
        q.At(0, t.Body.HighY).Should().BeApproximately(59.84, 0.005);
        Per(usual, k, -1).MomentUp.Should().BeApproximately(25.87, 0.005);
        Per(usual, k, 1).Down.Should().BeApproximately(44.10, 0.005);
        Per(usual, k, 1).MomentDown.Should().BeApproximately(49.95, 0.005);
    }

    [Fact]
    public void Soil_always_stands_behind_its_wall_and_nowhere_else()
    {
        var names = Retaining(10).Combinations.Select(c => c.Name).Distinct().ToList();
        names.Should().Equal("U1:EARTH", "U2:EARTH", "U5:noW:EARTH", "S1:EARTH", "S2:EARTH", "S7:noW:EARTH");
        var project = Retaining(10).Place;
        project.BehindFactors.Should().OnlyContain(f => f.Earth >= 1);
        var cases = new List<LoadCase> { new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("FILL", LoadSymbol.H, Permanent: true) };
        cases.AddRange(Asce.BehindWalls);
        var set = CombinationBuilder.Build(Asce, cases, new LoadOptions { LiveCompanion = 0.5 }, []);
        set.Of(false).Used.Should().OnlyContain(c => c.Terms.All(t => !cases[t.Case].IsBehindWall));
        set.Of(true).Used.Should().OnlyContain(c => c.Terms.Any(t => cases[t.Case].Name == "EARTH"));
        set.Of(true).Used.Select(c => c.Name).Should().Contain(["U1:EARTH", "U1:H+:EARTH", "U1:H-:EARTH"]);
        set.Of(false).Used.Select(c => c.Name).Should().Contain("U1").And.NotContain("U5");
        var permanent = set.Of(true).Used.Single(c => c.Name == "U1:H-:EARTH");
        permanent.Terms.Single(t => cases[t.Case].Name == "FILL").Factor.Should().Be(0.9);
        permanent.Terms.Single(t => cases[t.Case].Name == "EARTH").Factor.Should().Be(1.6, "what a wall holds back is not there to hold it");
    }

    [Fact]
    public void Live_load_behind_a_wall_is_not_taken_at_half()
    {
        List<LoadCase> cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W), .. Asce.BehindWalls];
        var set = CombinationBuilder.Build(Asce, cases, new LoadOptions { LiveCompanion = 0.5 }, []).Of(true);
        var c = set.Used.Single(u => u.Name == "U4:+WX:EARTH");
        c.Terms.Single(t => cases[t.Case].Name == "LIVE").Factor.Should().Be(0.5);
        c.Terms.Single(t => cases[t.Case].Name == LoadCase.BehindName).Factor.Should().Be(1);
    }

    [Fact]
    public void Force_along_a_wall_is_linear()
    {
        // N 720, My 480 on 6 m: 40 to 200 kN/m; beyond N·ℓ/6 = 720 the joint is pulled at one end.
        WallTrial Of(double my) => Trial(Project(new WallRules { Stem = new StemRules(3) { Weight = 1e-12 } }, 6, 0.25,
            [(new LoadCase("DEAD", LoadSymbol.D), new(720 / 1.4, 0, 0, 0, my / 1.4, 0))]), Design(0.6, 0.6, 0.4, stem: Usual));
        var t = Of(480);
        var k = Named(t, "U1");
        t.Stem!.AtBase(k, -1).Force.Should().BeApproximately(40, 1e-6);
        t.Stem.AtBase(k, 1).Force.Should().BeApproximately(200, 1e-6);
        Kind.Notes(t).Should().NotContain(n => n.Contains("the joint of wall and base is pulled"));
        Kind.Notes(Of(730)).Should().Contain(n => n.Contains("the joint of wall and base is pulled"));
    }

    [Fact]
    public void Thrusts_are_the_integrals_of_pressures()
    {
        var random = from h in Gen.Double[0.5, 6]
                     from water in Gen.Double[-1, 7]
                     from phi in Gen.Double[20, 40]
                     from rest in Gen.Bool
                     from q in Gen.Double[0, 20]
                     from wall in Gen.Double[0, 2]
                     select (h, water, phi, rest, q, wall);
        random.Sample(g =>
        {
            var soil = new RetainedSoil(true, g.h)
            {
                FrictionAngle = g.phi,
                AtRest = g.rest,
                Surcharge = g.q,
                WaterDepth = g.water < 0 ? null : g.water,
            };
            var p = new RetainedPressure(soil, DefaultGround);
            foreach (var load in Enum.GetValues<RetainedLoad>())
            {
                foreach (var wet in new[] { true, false })
                {
                    const int n = 4000;
                    var (force, moment, prop, high) = (0.0, 0.0, 0.0, g.h + g.wall);
                    for (var i = 0; i < n; i++)
                    {
                        var z = (i + 0.5) * g.h / n;
                        var q = p.At(load, wet, z) * g.h / n;
                        var height = g.h - z;
                        (force, moment) = (force + q, moment + (q * height));
                        prop += q * height * height * ((3 * high) - height) / (2 * high * high * high);
                    }

                    var t = p.Above(load, wet, g.h);
                    t.Force.Should().BeApproximately(force, 1e-4 * Math.Max(1, force));
                    t.Moment.Should().BeApproximately(moment, 1e-4 * Math.Max(1, moment));
                    p.Prop(load, wet, high).Should().BeApproximately(prop, 1e-4 * Math.Max(1, force));
                }
            }
        }, iter: 60);
    }

    [Fact]
    public void A_propped_wall_is_a_beam_fixed_at_its_foot()
    {
        // Even pressure w over the whole height H: prop 3wH/8, foot −wH²/8, peak 9wH²/128 at 5H/8 over the foot; triangle: wH/10, wH²/15,
        // wH²·0.0298 at 0.447H below the top.
        WallTrial Of(double surcharge, double weight) => Trial(Project(
            new WallRules
            {
                Stem = new StemRules(4) { Propped = true },
                Retained = new RetainedSoil(true, 4) { FrictionAngle = 30, AtRest = true, Surcharge = surcharge, Weight = weight },
            }, 5, 0.3, [(new LoadCase("DEAD", LoadSymbol.D), default)]), Design(2, 1, 0.5, true, stem: Usual));
        var even = Of(20, 1e-9);
        var k = Named(even, "U2:EARTH");
        var w = 1.6 * 20 * 0.5;
        var (_, prop) = even.Stem!.Pushed(k, 0);
        prop.Should().BeApproximately(3 * w * 4 / 8, 1e-6);
        even.Stem.AtBase(k, 1).Moment.Should().BeApproximately(w * 16 / 8, 1e-6);
        even.Stem.AtPeak(k, 1)!.Value.Height.Should().BeApproximately(5 * 4.0 / 8, 1e-6);
        even.Stem.AtPeak(k, 1)!.Value.Moment.Should().BeApproximately(-9 * w * 16 / 128, 1e-6);
        var wedge = Of(0, 18);
        k = Named(wedge, "U1:EARTH");
        w = 1.6 * 18 * 4 * 0.5;
        wedge.Stem!.Pushed(k, 0).Prop.Should().BeApproximately(w * 4 / 10, 1e-6);
        wedge.Stem.AtBase(k, 1).Moment.Should().BeApproximately(w * 16 / 15, 1e-6);
        var peak = wedge.Stem.AtPeak(k, -1)!.Value;
        peak.Height.Should().BeApproximately(4 - (4 / Math.Sqrt(5)), 1e-6);
        peak.Moment.Should().BeApproximately(-w * 16 * 0.029814, 1e-3);

        // What the prop takes does not push the base.
        var l = wedge.Body.Loads(Named(wedge, "S1:EARTH"));
        (l.Fy / 5).Should().BeApproximately(-((18 * 4.5 * 4.5 / 4) - (18 * 4 * 0.5 * 4 / 10)), 1e-6);
    }

    [Fact]
    public void Water_behind_a_wall_pushes_it_and_lifts_its_heel()
    {
        var wall = new WallRules
        {
            Stem = new StemRules(3),
            Retained = new RetainedSoil(true, 3) { FrictionAngle = 30, WaterDepth = 1 },
        };
        var t = Trial(Project(wall, 4, 0.3, [(new LoadCase("DEAD", LoadSymbol.D), default)]), Design(1.5, 0.8, 0.5, true, stem: Usual));
        var both = Enumerable.Range(0, t.Combinations.Length).Where(k => t.Combinations[k].Name == "S1:EARTH").ToList();
        both.Should().HaveCount(2, "with the water behind the wall, and without");
        var (wet, dry) = (both.Single(k => t.Place.Waters[k] == WaterState.High), both.Single(k => t.Place.Waters[k] == WaterState.Low));
        t.Body.WaterWords(wet).Should().Be("water behind the wall");

        // Head under the heel's edge 3.5 − 1 = 2.5 m, none at the toe's: a triangle over 2.6 m.
        t.Body.WaterPush(wet).Should().BeApproximately(9.81 * 2.5 * 2.6 / 2 * 4, 1e-9);
        t.Body.WaterPush(dry).Should().Be(0);
        var k3 = 1.0 / 3;
        var thrust = (k3 * ((18 * 1 / 2.0) + (18 * 2.5) + (10.19 * 2.5 * 2.5 / 2))) + (9.81 * 2.5 * 2.5 / 2);
        (-t.Body.Loads(wet).Fy / 4).Should().BeApproximately(thrust, 1e-9);
        (-t.Body.Loads(dry).Fy / 4).Should().BeApproximately(k3 * 18 * 3.5 * 3.5 / 2, 1e-9);
        var push = t.Body.Contact(wet).Pressure.Over(t.Body.Outline);
        push.Force.Should().BeApproximately(t.Body.Loads(wet).N, 1e-6);
    }

    /// <summary>Random walls, with and without soil behind them.</summary>
    internal static readonly Gen<(WallRules Wall, double Length, double Thickness, SupportAction Dead, SupportAction Wind, double First,
        double Second, double H)> Random =
        from length in Gen.Double[2, 12]
        from thickness in Gen.Double[0.2, 0.45]
        from n in Gen.Double[20, 150]
        from m in Gen.Double[-8, 8].Array[3]
        from first in Gen.Double[0.6, 2.2]
        from second in Gen.Double[0.4, 1.2]
        from h in Gen.Double[0.3, 0.7]
        from soil in Gen.Int[0, 2]
        from water in Gen.Double[-1, 3]
        from q in Gen.Double[0, 15]
        from high in Gen.Bool
        from ends in Gen.Double[0, 0.3]
        select (new WallRules
        {
            Ends = ends,
            Stem = soil == 0 ? null : new StemRules(3) { Propped = soil == 2 },
            Retained = soil == 0 ? null : new RetainedSoil(high, 2.8)
            {
                FrictionAngle = 31,
                AtRest = soil == 2,
                Surcharge = q,
                WaterDepth = water < 0 ? null : water,
            },
        }, length, thickness, new SupportAction(n * length, 0, 0, m[0] * length, 0, 0),
            new SupportAction(0, 6 * m[1], 2 * m[2], 0, 5 * m[1] * length, 0), first, second, h);

    internal static Project Of((WallRules Wall, double Length, double Thickness, SupportAction Dead, SupportAction Wind, double First,
        double Second, double H) g, double angle = 0, RuleSet? rules = null, HeldValues? held = null, string code = "aci318m-19") =>
        Project(g.Wall, g.Length, g.Thickness, [(new LoadCase("DEAD", LoadSymbol.D), g.Dead), (new LoadCase("WX", LoadSymbol.W, true), g.Wind)],
            rules ?? Rules with { Ground = DefaultGround with { Surcharge = 5, FoundingDepth = 1.3, Bearing = 300, Friction = 0.55 } }, held, code,
            angle);

    [Fact]
    public void What_the_ground_pushes_is_what_presses_on_it()
    {
        Random.Sample(g =>
        {
            var t = Trial(Of(g), Design(g.First, g.Second, g.H, g.Wall.Retained is not null, stem: Usual));
            for (var k = 0; k < t.Combinations.Length; k++)
            {
                if (t.Body.Contact(k).State == ContactState.NoEquilibrium)
                {
                    continue;
                }

                var (l, p) = (t.Body.Loads(k), t.Body.Contact(k).Pressure.Over(t.Body.Outline));
                p.Force.Should().BeApproximately(l.N, 1e-6 * Math.Max(1, l.N));
                p.MomentY.Should().BeApproximately(-l.Mx, 1e-6 * Math.Max(100, Math.Abs(l.Mx)));
                p.MomentX.Should().BeApproximately(l.My, 1e-6 * Math.Max(100, Math.Abs(l.My)));
                var balance = t.Body.Balance(k);
                balance.Difference.Should().BeApproximately(0,
                    1e-6 * Math.Max(1, l.N));
            }
        }, iter: 200);
    }

    [Fact]
    public void Turned_and_mirrored_walls_are_used_alike()
    {
        Gen.Select(Random, Gen.Double[-180, 180]).Sample((g, angle) =>
        {
            List<double> Used(Project project, WallDesign design) =>
                [.. new Checker(project, project.Foundations[0]).Check(design).Checks.Where(c => c.Utilisation > 1e-9)
                    .OrderBy(c => c.Id, StringComparer.Ordinal).Select(c => c.Utilisation)];
            var faces = g.Wall.Retained is not null;
            var one = Used(Of(g), Design(g.First, g.Second, g.H, faces, stem: Usual));
            void Alike(List<double> other, string why)
            {
                other.Should().HaveCount(one.Count);
                for (var i = 0; i < one.Count; i++)
                {
                    other[i].Should().BeApproximately(one[i], 1e-6 * Math.Max(1, one[i]), why);
                }
            }

            Alike(Used(Of(g, angle), Design(g.First, g.Second, g.H, faces, stem: Usual)), "turned");

            // Seen from its other side: y reversed, and with it Fy and the moments about x and z.
            SupportAction Mirrored(in SupportAction a) => new(a.N, a.Fx, -a.Fy, -a.Mx, a.My, -a.Mz);
            var other = g with
            {
                Wall = g.Wall with { Retained = g.Wall.Retained is { } r ? r with { AtHigh = !r.AtHigh } : null },
                Dead = Mirrored(g.Dead),
                Wind = Mirrored(g.Wind),
                First = faces ? g.First : g.Second,
                Second = faces ? g.Second : g.First,
            };

            // Without soil the face called the soil's is that at +y.
            var stem = faces ? Usual : new StemBars(Usual.Free, Usual.Soil, Usual.Level);
            Alike(Used(Of(other), Design(other.First, other.Second, g.H, faces, stem: stem)), "mirrored");
        }, iter: 60);
    }

    [Fact]
    public void Without_soil_and_moment_along_it_spans_as_a_base_under_a_column_of_its_length()
    {
        Random.Sample(g =>
        {
            var plain = g with { Wall = new WallRules { Ends = g.Wall.Ends }, Wind = default };
            var project = Of(plain);
            var walls = new Checker(project, project.Foundations[0]).Check(Design(g.First, g.Second, g.H));
            var (length, width) = (g.Length + (2 * g.Wall.Ends), g.First + g.Second);
            var held = new HeldValues { EdgeY0 = new HeldEdge(false, g.First) };
            var column = project.Foundations[0] with
            {
                Kind = Kinds.FoundationKinds.Usual,
                Wall = WallRules.Nothing,
                Held = held,
                Places = [new Place(Column(g.Length, g.Thickness), 0, project.Foundations[0].Rules.Ground)],
            };
            var other = project with
            {
                Foundations = [column],
                Actions = new Dictionary<string, SupportAction[]> { ["C1"] = project.Actions["W1"] },
            };
            var d = Design(g.First, g.Second, g.H);
            var bases = new Checker(other, column).Check(new IsolatedDesign(new BaseSize(length, width, g.H), d.BottomX, d.BottomY, d.TopX, d.TopY));
            foreach (var id in new[] { "bearing", "contact", "sliding", "overturning-y", "flexure-bottom-y", "one-way-shear-y", "minimum-steel-x",
                "bar-spacing-y" })
            {
                var (a, b) = (walls.Checks.FirstOrDefault(c => c.Id == id), bases.Checks.FirstOrDefault(c => c.Id == id));
                var (own, its) = (a?.Outcome.Demand ?? 0, b?.Outcome.Demand ?? 0);
                own.Should().BeApproximately(its, 1e-6 * Math.Max(1, its), id);
            }
        }, iter: 60);
    }

    private static double Cost(Project project, WallDesign design) =>
        project.Foundations[0].Rules.Rates.Cost(Quantities.Of(project, project.Foundations[0], design));

    [Fact]
    public void No_smaller_step_passes()
    {
        Random.Sample(g =>
        {
            var project = Of(g);
            var sizer = FoundationSizer.Of(project, project.Foundations[0]);
            if (sizer.Size().Design is not { } design)
            {
                return;
            }

            new Checker(project, project.Foundations[0]).Check(design).Passes.Should().BeTrue();
            foreach (var (step, stop) in FoundationSizer.Of(project, project.Foundations[0]).Why(design))
            {
                stop.Should().NotBeNull($"{step} passes too, of {design}");
            }
        }, iter: 60);
    }

    [Fact]
    public void No_base_on_coarse_steps_is_cheaper()
    {
        var sizing = DefaultSizing with { PlanStep = 0.2, ThicknessStep = 0.1, MostPlan = 3.4, LeastThickness = 0.3, MostThickness = 0.7 };
        Random.Sample(g =>
        {
            var rules = Rules with { Sizing = sizing, Ground = DefaultGround with { FoundingDepth = 1.3, Bearing = 250, Friction = 0.55 } };
            var project = Of(g, rules: rules);
            var found = FoundationSizer.Of(project, project.Foundations[0]).Size().Design as WallDesign;
            var least = double.PositiveInfinity;
            WallDesign? cheapest = null;
            foreach (var h in PlanCandidates.Steps(0.3, 0.7, 0.1))
            {
                foreach (var (low, high) in Edges(g, sizing))
                {
                    // With all else held the bars alone are sought.
                    var held = g.Wall.Retained is null
                        ? new HeldValues { Thickness = h, EdgeY0 = new HeldEdge(false, low), EdgeY1 = new HeldEdge(false, high) }
                        : new HeldValues
                        {
                            Thickness = h,
                            Own = HeldValues.Nothing.Own.Add("heel", new Kinds.FieldValue.Length(low)).Add("toe", new Kinds.FieldValue.Length(high)),
                        };
                    var own = Of(g, rules: rules, held: held);
                    if (FoundationSizer.Of(own, own.Foundations[0]).Size().Design is WallDesign d && Cost(own, d) is var cost && cost < least)
                    {
                        (least, cheapest) = (cost, d);
                    }
                }
            }

            (found is null).Should().Be(cheapest is null, $"{cheapest}");
            if (found is not null)
            {
                Cost(project, found).Should().BeLessThanOrEqualTo(least * 1.0035, $"{found} is found, {cheapest} is cheaper");
            }
        }, iter: 8, threads: 2);
    }

    private static IEnumerable<(double, double)> Edges((WallRules Wall, double Length, double Thickness, SupportAction, SupportAction, double,
        double, double) g, SizingRules sizing)
    {
        if (g.Wall.Retained is null)
        {
            for (var width = 0.2; width <= 3.4 + 1e-9; width += 0.2)
            {
                for (var low = 0.1; low < width - 1e-9; low += 0.1)
                {
                    if (Math.Min(low, width - low) >= (g.Thickness / 2) + 0.15 - 1e-9)
                    {
                        yield return (Math.Round(low, 9), Math.Round(width - low, 9));
                    }
                }
            }

            yield break;
        }

        // Heel and toe so that their sum is on the steps, as the search counts.
        for (var n = 2; (n * sizing.PlanStep) + g.Thickness <= sizing.MostPlan + 1e-9; n++)
        {
            var both = n * sizing.PlanStep;
            for (var toe = 0.15; both - toe >= 0.15 - 1e-9; toe += sizing.PlanStep)
            {
                yield return (Math.Round(both - toe, 9), Math.Round(toe, 9));
            }
        }
    }

    [Fact]
    public void Least_steel_and_axial_strength_of_walls_by_the_code()
    {
        var none = default(Core.Tracing.NoTrace);
        var metric = Core.Concrete.Codes.ConcreteCodes.Find("aci318m-19")!;
        metric.LeastWallSteel(ref none, 0.016, 0.012, 420e3).Should().Be((0.0012, 0.0020));
        metric.LeastWallSteel(ref none, 0.020, 0.020, 420e3).Should().Be((0.0015, 0.0025));
        metric.LeastWallSteel(ref none, 0.012, 0.012, 280e3).Should().Be((0.0015, 0.0025));
        metric.MostWallSpacing(0.12).Should().BeApproximately(0.36, 1e-12);
        metric.MostWallSpacing(0.3).Should().BeApproximately(0.45, 1e-12);

        // 0.55·0.65·30·250·(1 − (3000/(32·250))²) = 2304.2 kN/m; with a free top (6000/8000)².
        metric.WallAxial(ref none, 30e3, 0.25, 3, true).Should().BeApproximately(0.65 * 0.55 * 30e3 * 0.25 * (1 - (0.375 * 0.375)), 1e-6);
        metric.WallAxial(ref none, 30e3, 0.25, 3, false).Should().BeApproximately(0.65 * 0.55 * 30e3 * 0.25 * (1 - (0.75 * 0.75)), 1e-6);
    }

    [Fact]
    public void Masonry_is_checked_by_its_stresses_from_halfway_between_centre_and_face()
    {
        // n 100, m 2 on 215 mm: σ 465.1 ± 259.6 kPa.
        var wall = new WallRules { Stem = new StemRules(3) { Masonry = true, Weight = 1e-12, Compression = 1000, Tension = 100 } };
        var t = Trial(Project(wall, 4, 0.215, [(new LoadCase("DEAD", LoadSymbol.D), new(400, 0, 0, 8, 0, 0))]), Design(0.5, 0.5, 0.3));
        var o = t.Checks.Find("wall-flexure")!.Findings(t).Single().Outcome;
        o.Utilisation.Should().BeApproximately((465.116 + 259.6) / 1000, 1e-4);
        t.Spans(false)[0].Overhang(1).Should().BeApproximately(0.5 - (0.215 / 4), 1e-9);
        foreach (var id in new[] { "wall-shear", "wall-axial", "wall-steel" })
        {
            t.Checks.Find(id)!.Findings(t).Should().BeEmpty();
        }
    }
}
