using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.National;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>The ground by EN 1997-1: Annex D, sliding, tipping, uplift and flotation by limit state, from the clauses and by hand.</summary>
public class LimitStateTests
{
    private static readonly BearingTheory AnnexD = BearingTheory.Find("annex-d")!;
    private static NoTrace none;

    private static readonly LoadCase[] Cases = [new("G", LoadSymbol.G), new("Q", LoadSymbol.Q) { Category = "B" },
        new("W", LoadSymbol.W, true)];

    internal static GroundRules Soil(int approach, double? water = null, double? undrained = 90) => DefaultGround with
    {
        FoundingDepth = 1.2,
        WaterDepth = water,
        Bearing = double.NaN,
        Friction = double.NaN,
        Capacity = new BearingCapacity(AnnexD, 30, 5, undrained, 1),
        CriticalAngle = 30,
        Design = new LimitStateDesign(approach, NationalAnnex.Recommended),
    };

    internal static Project Of(GroundRules ground, SupportAction g, SupportAction q, SupportAction w, double concrete = 25)
    {
        var options = new LoadOptions { Eurocode = new EurocodeOptions { DesignApproach = ground.Design!.Approach } };
        LoadCase[] cases = [.. Cases];
        var set = CombinationBuilder.Build(LoadStandards.Find("en1990")!, cases, options, []);
        return Project(cases, [g, q, w], set, Rules with
        {
            Ground = ground,
            Stability = new StabilityRules(1, 1, 1, 1, 0, 0, 0) { Flotation = 1 },
            Concrete = DefaultConcrete with { Weight = concrete },
        }) with
        { Design = ground.Design };
    }

    private static double Value(Project project, FoundationDesign design, string check, string combination, string symbol) =>
        new Checker(project, project.Foundations[0]).Trace(design, check, null, combination)!.Value.Steps.Last(s => s.Symbol == symbol).Value;

    // Worked by hand: A' 2.0 × 2.5 m, V 1500, H 100 kN along B', c' 5 kPa, φ' 30°, q' 20 kPa, γ' 18 kN/m3; M1, then M2.
    [Theory]
    [InlineData(1.0, 1.0, 4439, 18.40)]
    [InlineData(1.25, 1.25, 2256, 10.43)]
    public void Annex_D_drained(double friction, double cohesion, double kN, double nq)
    {
        var phi = Math.Atan(Math.Tan(Math.PI / 6) / friction) * 180 / Math.PI;
        (5.0 * AnnexD.Ultimate(ref none, new BearingSituation(phi, 5 / cohesion, 20, 18, 1, 2, 2, 2.5, 1500, 100, 0)))
            .Should().BeApproximately(kN, 0.0005 * kN);
        AnnexD.Ultimate(ref none, new BearingSituation(phi, 0, 1, 0, 0, 1, 1, 1e9, 1, 0, 0)).Should().BeApproximately(nq, 0.005);
    }

    // A' 2.0 × 2.4 m, q 22 kPa: H 80 kN, cu 100 kPa and 100/1.4; with H 481 kN, beyond A'·cu, nothing resists.
    [Theory]
    [InlineData(100, 80, 2859)]
    [InlineData(100 / 1.4, 80, 2034)]
    [InlineData(100, 481, 0)]
    public void Annex_D_undrained(double cu, double h, double kN) =>
        (4.8 * AnnexD.Ultimate(ref none, new BearingSituation(0, cu, 22, 0, 1, 2, 2, 2.4, 1500, h, 0)))
            .Should().BeApproximately(kN, 0.0005 * kN);

    // 2.0 m square, 0.5 m thick, founded at 1.2 m under a column of 0.4 m: weights 98.38 kN; N 250; wind N −80, Fx 40, My 60.
    [Fact]
    public void Tipping_uplift_and_sliding_by_hand()
    {
        var (g, w, design) = (new SupportAction(250, 0, 0, 0, 0, 0), new SupportAction(-80, 40, 0, 0, 60, 0), Design(2, 2, 0.5));
        var project = Of(Soil(1, undrained: null), g, default, w);
        var result = Check(project, design);
        var tips = result.Of("overturning-x");
        (tips.Combination, result.Of("uplift").Combination, result.Of("sliding").Combination).Should().Be(("EQU:+W", "UPL:+W", "C:+W"));
        tips.Outcome.Demand.Should().BeApproximately(240.0, 0.05);
        tips.Outcome.Capacity.Should().BeApproximately(313.5, 0.05);
        tips.Outcome.Utilisation.Should().BeApproximately(0.7654, 5e-5);
        result.Of("uplift").Outcome.Utilisation.Should().BeApproximately(0.3827, 5e-5);
        result.Of("sliding").Outcome.Capacity.Should().BeApproximately(112.9, 0.05);
        result.Of("sliding").Outcome.Utilisation.Should().BeApproximately(0.4607, 5e-5);
        Value(project, design, "bearing", "C:+W", "B'").Should().BeApproximately(1.149, 0.0005);
        tips.Clause.Should().Be("EN 1997-1 2.4.7.2");

        // Approach 2: H 60 kN against 228.4·tan 30°/1.1.
        var second = Check(Of(Soil(2, undrained: null), g, default, w), design).Of("sliding");
        second.Combination.Should().Be("B:Ginf:+W");
        second.Outcome.Utilisation.Should().BeApproximately(0.5005, 5e-5);
        second.Outcome.Capacity.Should().BeApproximately(119.9, 0.05);
    }

    // From the clauses alone by a script that knows nothing of this program: 2.4 × 2.0 × 0.5 m at 1.2 m, water at 0.8 m or none, φ' 30°, c' 5,
    // cu 90 kPa, φcv 30°; moments both ways, wind that lifts. Governing combination and state of water are found there too.
    [Theory]
    [InlineData(1, "bearing", "C:Q:+W", 0.63640)]
    [InlineData(2, "bearing", "B:Gsup:Q:+W", 0.81952)]
    [InlineData(1, "sliding", "B:Ginf:+W", 0.31650)]
    [InlineData(2, "sliding", "B:Ginf:+W", 0.31650)]
    [InlineData(1, "overturning-x", "EQU:+W:Q", 0.38495)]
    [InlineData(1, "uplift", "UPL:+W", 0.14336)]
    [InlineData(1, "flotation", "UPL", 0.02913)]
    public void A_pad_worked_apart(int approach, string check, string combination, double utilisation)
    {
        var found = Check(Pad(approach), Design(2.4, 2.0, 0.5)).Of(check);
        found.Combination!.Split(',')[0].Should().Be(combination);
        found.Outcome.Utilisation.Should().BeApproximately(utilisation, 1e-5);
    }

    // The same script's drained resistances, of another combination than governs.
    [Theory]
    [InlineData(1, "C:Q:+W", 412.527, 1042.829)]
    [InlineData(2, "B:Gsup:Q:+W", 573.050, 1347.091)]
    public void A_pad_worked_apart_drained(int approach, string combination, double kPa, double v)
    {
        var project = Pad(approach) is var p && p with
        {
            Foundations = [p.Foundations[0] with { Places = [p.Foundations[0].Places[0] with { Ground = Soil(approach, 0.8, null) }] }],
        } is var drained ? drained : p;
        Value(project, Design(2.4, 2.0, 0.5), "bearing", combination, "Rd/A'").Should().BeApproximately(kPa, 1e-3 * kPa);
        Value(project, Design(2.4, 2.0, 0.5), "bearing", combination, "V").Should().BeInRange(v - 1e-3, v + 19);
    }

    private static Project Pad(int approach) => Of(Soil(approach, 0.8), new(600, 10, 0, -10, 20, 0), new(300, 0, 0, 0, 15, 0),
        new(-60, 45, 12, -20, 70, 0));

    private static readonly Gen<(double[] V, double? Water, int Approach)> Pads = Gen.Select(Gen.Double[-1, 1].Array[12],
        Gen.Double[0.3, 3], Gen.Int[1, 2], (v, water, approach) => (v, water > 2 ? (double?)null : water, approach));

    private static Project Random((double[] V, double? Water, int Approach) r, double turned = 0)
    {
        var v = r.V;
        SupportAction[] all =
        [
            new(700 + (300 * v[0]), 15 * v[1], 15 * v[2], 30 * v[3], 30 * v[4], 0), new(300 + (100 * v[5]), 0, 0, 10 * v[6], 0, 0),
            new(40 * v[7], 40 * v[8], 40 * v[9], 50 * v[10], 50 * v[11], 0),
        ];
        all = [.. all.Select(a => a.InAxesTurnedBy(turned))];
        return Of(Soil(r.Approach, r.Water), all[0], all[1], all[2]);
    }

    // Written from Annex D and 6.5.3 once more, for every ultimate combination and state of water of random pads.
    [Fact]
    public void Bearing_and_sliding_of_random_pads_from_the_clauses() => Pads.Sample(r =>
    {
        var project = Random(r);
        var design = Design(2.6, 2.2, 0.55);
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        var t = checker.Trials[0];
        var ran = 0;
        for (var k = 0; k < t.Combinations.Length; k++)
        {
            if (t.Ground.Design!.Of(t.Combinations[k].State) is not { } f || t.Body.Contact(k).State == ContactState.NoEquilibrium)
            {
                continue;
            }

            var l = t.Body.Loads(k);
            var u = t.Body.GroundLoad(k).WaterPressure * 2.6 * 2.2;
            var wet = t.Body.GroundColumn(k).IsWet && t.Body.GroundColumn(k).Water < 1.2 ? 1.2 - r.Water!.Value : 0;
            u.Should().BeApproximately(9.81 * wet * 2.6 * 2.2, 1e-9);
            var h = Math.Sqrt((l.Fx * l.Fx) + (l.Fy * l.Fy));
            double Used(bool drained)
            {
                var v = drained ? l.N : l.N + u;
                var (lx, ly) = (2.6 - (2 * Math.Abs(l.My / v)), 2.2 - (2 * Math.Abs(l.Mx / v)));
                var (b, length) = (Math.Min(lx, ly), Math.Max(lx, ly));
                if (!drained)
                {
                    var cu = 90 / f.Undrained;
                    var total = (18 * (1.2 - wet)) + (20 * wet);
                    return v / (b * length) / (h > b * length * cu ? 0
                        : (((Math.PI + 2) * cu * (1 + (0.2 * b / length)) * 0.5 * (1 + Math.Sqrt(1 - (h / (b * length * cu))))) + total) / f.Bearing);
                }

                var tan = Math.Tan(Math.PI / 6) / f.Friction;
                var (phi, c) = (Math.Atan(tan), 5 / f.Cohesion);
                var nq = Math.Exp(Math.PI * tan) * Math.Pow(Math.Tan((Math.PI / 4) + (phi / 2)), 2);
                var (nc, ny) = ((nq - 1) / tan, 2 * (nq - 1) * tan);
                var sq = 1 + (b / length * Math.Sin(phi));
                var ofLength = Math.Pow(lx >= ly ? l.Fx : l.Fy, 2) / (h * h);
                var m = ((2 + (length / b)) / (1 + (length / b)) * ofLength) + ((2 + (b / length)) / (1 + (b / length)) * (1 - ofLength));
                var rest = Math.Max(0, 1 - (h / (v + (b * length * c / tan))));
                var iq = Math.Pow(rest, m);
                var q = (18 * (1.2 - wet)) + ((20 - 9.81) * wet);
                var depth = t.Body.GroundColumn(k).IsWet ? r.Water!.Value : double.PositiveInfinity;
                var weight = depth <= 1.2 ? 20 - 9.81 : depth < 1.2 + b ? 20 - 9.81 + ((18 - 20 + 9.81) * (depth - 1.2) / b) : 18;
                var resistance = (c * nc * ((sq * nq) - 1) / (nq - 1) * Math.Max(0, iq - ((1 - iq) / (nc * tan)))) + (q * nq * sq * iq)
                    + (0.5 * weight * b * ny * (1 - (0.3 * b / length)) * Math.Pow(rest, m + 1));
                return v / (b * length) / (resistance / f.Bearing);
            }

            var expected = Math.Max(Used(true), Used(false));
            Checks.OnGround.Bearing.Evaluate(t.Body, default, k, ref none).Utilisation.Should().BeApproximately(expected, 1e-9 * expected, t.Named(k));
            var slides = Math.Min(l.N * Math.Tan(Math.PI / 6) / f.Friction / f.Sliding,
                Math.Min(t.Body.Contact(k).Share * 2.6 * 2.2 * 90 / f.Undrained / f.Sliding, 0.4 * (l.N + u)));
            Checks.OnGround.Sliding.Evaluate(t.Body, default, k, ref none).Utilisation.Should().BeApproximately(h / slides, 1e-9 * h / slides, t.Named(k));
            ran++;
        }

        ran.Should().BeGreaterThan(10);
    }, iter: 40);

    // Only these limit states are for each check, and no least factor stands on top of the partial ones.
    [Fact]
    public void Every_check_of_the_ground_governs_in_its_own_limit_states() => Pads.Sample(r =>
    {
        var project = Random(r);
        project = project with
        {
            Foundations = [project.Foundations[0] with { Places = [project.Foundations[0].Places[0] with { Ground = Soil(r.Approach, r.Water) with
            {
                Bearing = 150, MostSettlement = 0.02, SubgradeModulus = 20e3, Resistance = 500,
            } }] }],
        };
        var states = project.Combinations.Used.ToDictionary(c => c.Name, c => c.State);
        foreach (var check in Check(project, Design(2.6, 2.2, 0.55)).Checks.Where(c => c.Combination is not null))
        {
            LimitState[] own = check.Id switch
            {
                "bearing" => [LimitState.SetB, LimitState.SetC, LimitState.Characteristic],
                "sliding" => [LimitState.SetB, LimitState.SetC],
                "uplift" or "flotation" => [LimitState.Upl],
                "overturning-x" or "overturning-y" => [LimitState.Equ],
                "settlement" => [LimitState.Characteristic, LimitState.Frequent, LimitState.QuasiPermanent],
                _ => [LimitState.SetB, LimitState.SetC, LimitState.Equ, LimitState.Upl, LimitState.Characteristic],
            };
            own.Should().Contain(states[check.Combination!.Split(',')[0]], check.Id);
            if (check.Id is "uplift" or "overturning-x" or "overturning-y" or "sliding")
            {
                check.Outcome.Utilisation.Should().BeApproximately(check.Outcome.Demand / check.Outcome.Capacity, 1e-9);
            }
        }
    }, iter: 40);

    [Fact]
    public void Turned_by_a_right_angle_all_is_alike() => Pads.Sample(r =>
    {
        var (a, b) = (Check(Random(r), Design(2.6, 2.2, 0.55)), Check(Random(r, 90), Design(2.2, 2.6, 0.55)));
        foreach (var id in new[] { "bearing", "sliding", "uplift" })
        {
            var one = a.Checks.FirstOrDefault(c => c.Id == id);
            (one is null).Should().Be(b.Checks.All(c => c.Id != id));
            one?.Outcome.Utilisation.Should().BeApproximately(b.Of(id).Outcome.Utilisation, 1e-9, id);
        }
    }, iter: 60);

    // A stated resistance is compared on the effective area, the bearing of characteristic loads beside it.
    [Fact]
    public void A_stated_resistance_counts_for_ultimate_loads_and_a_bearing_for_characteristic_ones()
    {
        var ground = Soil(1) with { Capacity = null, Resistance = 400, Bearing = 200 };
        var project = Of(ground, new(600, 0, 0, 0, 20, 0), new(300, 0, 0, 0, 15, 0), default);
        var design = Design(2.4, 2.0, 0.5);
        var weights = (25 * 4.8 * 0.5) + (18 * 0.7 * (4.8 - 0.16));

        // Set B, all unfavourable: V 1.35·(600 + W) + 450, M 27 + 22.5; on (2.4 − 2M/V)·2.
        var v = (1.35 * (600 + weights)) + 450;
        Value(project, design, "bearing", "B:Gsup:Q", "utilisation")
            .Should().BeApproximately(v / ((2.4 - (2 * 49.5 / v)) * 2.0) / 400, 1e-9);
        Value(project, design, "bearing", "C:Q", "R/A'").Should().Be(400, "it holds its factor already");
        var n = 900 + weights;
        Value(project, design, "bearing", "CHAR:Q", "utilisation")
            .Should().BeApproximately(((n / 4.8) + (6 * 35 / (2.4 * 2.4 * 2.0))) / 200, 1e-9, "the corner's pressure");
        Check(project, design).Of("bearing").Combination.Should().Be("CHAR:Q", "304.7 of 400 kPa, but 230 of 200");
    }

    // Seismic and accidental situations: factors on the strength, none on the resistance; then none at all.
    [Fact]
    public void Partial_factors_by_limit_state_and_nation()
    {
        var design = new LimitStateDesign(1, NationalAnnex.Recommended);
        design.Of(LimitState.SetB).Should().Be(new GroundFactors(1, 1, 1, 1, 1, 1, "DA1-1: M1 + R1"));
        design.Of(LimitState.SetC).Should().Be(new GroundFactors(1.25, 1.25, 1.4, 1, 1, 1, "DA1-2: M2 + R1"));
        design.Of(LimitState.Accidental)!.Undrained.Should().Be(1);
        design.Of(LimitState.Seismic).Should().Match<GroundFactors>(f => f.Friction == 1.25 && f.Undrained == 1.4 && f.Bearing == 1);
        design.Of(LimitState.Equ).Should().BeNull("strength of the ground is none of static equilibrium");
        design.Of(LimitState.QuasiPermanent).Should().BeNull();
        var nation = new NationalAnnex(new Dictionary<string, double> { ["gamma-rv-r2"] = 1.5 });
        new LimitStateDesign(2, nation).Of(LimitState.SetB).Should().Be(new GroundFactors(1, 1, 1, 1.5, 1.1, 1.4, "DA2: M1 + R2"));
        ((Func<double>)(() => nation["gamma-rv-r9"])).Should().Throw<KeyNotFoundException>();
    }

    [Fact]
    public void Nothing_stated_along_the_base_holds_nothing()
    {
        var project = Of(Soil(1) with { Capacity = null, Resistance = 400, CriticalAngle = null }, new(600, 20, 0, 0, 0, 0), default, default);
        Check(project, Design(2.4, 2.0, 0.5)).Of("sliding").Outcome.Utilisation.Should().BeGreaterThanOrEqualTo(Outcome.NoCapacity);
    }

    [Fact]
    public void A_resultant_beyond_a_third_of_the_side_is_told()
    {
        var near = Of(Soil(1, undrained: null), new(500, 0, 0, 0, 60, 0), default, default);
        Check(near, Design(2, 2, 0.5)).Notes.Should().NotContain(n => n.Contains("6.5.4"));
        var far = Of(Soil(1, undrained: null), new(500, 0, 0, 0, 440, 0), default, default);
        Check(far, Design(2, 2, 0.5)).Notes.Should().ContainSingle(n => n.Contains("EN 1997-1 6.5.4"));
    }
}
