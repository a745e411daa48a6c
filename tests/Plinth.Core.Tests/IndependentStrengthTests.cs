using CsCheck;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Strengths of all four editions over random sections, from formulas typed here once more in the units of each edition: MPa and mm, or psi
/// and in.
/// What no formula fixes is held by how it must answer: more of what resists never resists less.
/// </summary>
public class IndependentStrengthTests
{
    private static readonly string[] Editions = ["aci318-14", "aci318-19", "aci318m-14", "aci318m-19"];

    private static readonly Gen<string> Codes = Gen.Int[0, 3].Select(i => Editions[i]);

    private static ConcreteCode Code(string id) => ConcreteCodes.Find(id)!;

    private static bool IsMetric(string id) => id.StartsWith("aci318m", StringComparison.Ordinal);

    private static bool Is19(string id) => id.EndsWith("-19", StringComparison.Ordinal);

    // Stress in the unit of an edition to kPa, and length in it to m.
    private static double Stress(string id) => IsMetric(id) ? 1000 : Psi;

    private static double Size(string id) => IsMetric(id) ? 0.001 : Inch;

    // f'c in the unit of the edition, no more than 100 psi or 8.3 MPa under the root.
    private static double Root(string id, double strength) => Math.Min(Math.Sqrt(strength / Stress(id)), IsMetric(id) ? 8.3 : 100);

    private static ConcreteRules Concrete(double strength, double lightweight = 1) =>
        DefaultConcrete with { Strength = strength, Lightweight = lightweight };

    private static NoTrace none;

    private static readonly Gen<double> Strengths = Gen.Double[20e3, 60e3];

    [Fact]
    public void Flexure_by_the_rectangular_block() =>
        Gen.Select(Codes, Strengths, Gen.Double[275e3, 550e3], Gen.Double[0.5, 4], Gen.Double[0.2, 1.2], Gen.Double[0.001, 0.02]).Sample(
        (id, strength, yield, breadth, depth, ratio) =>
        {
            var steel = ratio * breadth * depth;
            var found = Code(id).Flexure(ref none, Concrete(strength), yield, steel, breadth, depth);
            var a = steel * yield / (0.85 * strength * breadth);

            // β1 by 22.2.2.4.3, the strain of the steel by a straight line.
            var fc = strength / Stress(id);
            var (first, step) = IsMetric(id) ? (28.0, 7.0) : (4000.0, 1000.0);
            var beta = Math.Clamp(0.85 - (0.05 * (fc - first) / step), 0.65, 0.85);
            var strain = 0.003 * ((depth * beta / a) - 1);
            // Tension-controlled from 0.005 in 318-14, from the yield strain and 0.003 more in 318-19; φ falls from 0.90 there to 0.65 at
            // yield (21.2.2).
            var atYield = yield / (IsMetric(id) ? 200e6 : 29e6 * Psi);
            var controlled = Is19(id) ? atYield + 0.003 : 0.005;
            var phi = Math.Clamp(0.65 + (0.25 * (strain - atYield) / (controlled - atYield)), 0.65, 0.90);
            found.Strength.Should().BeApproximately(phi * steel * yield * (depth - (a / 2)), 1e-6 * found.Strength);

            // A slab must reach 0.004 (318-14 8.3.3.1), or be tension-controlled (318-19 8.3.3.1).
            var least = Is19(id) ? controlled : 0.004;
            if (Math.Abs(strain - least) > 1e-6)
            {
                found.Ductile.Should().Be(strain > least, $"strain {strain}, least {least}");
            }
        },
        iter: 400);

    [Fact]
    public void One_way_shear_of_a_footing() =>
        Gen.Select(Codes, Strengths, Gen.Double[0.5, 4], Gen.Double[0.2, 1.2], Gen.Double[0.001, 0.02], Gen.Double[0.75, 1]).Sample(
        (id, strength, breadth, depth, ratio, lightweight) =>
        {
            var root = lightweight * Root(id, strength);
            var stress = (Is19(id), IsMetric(id)) switch
            {
                (false, true) => 0.17 * root,
                (false, false) => 2 * root,

                // 22.5.5.1(c), the size effect left away (13.2.6.2), at most 22.5.5.1.1.
                (true, true) => Math.Min(0.66 * Math.Cbrt(ratio) * root, 0.42 * root),
                _ => Math.Min(8 * Math.Cbrt(ratio) * root, 5 * root),
            };
            Code(id).OneWayShear(ref none, Concrete(strength, lightweight), breadth, depth, ratio * breadth * depth)
                .Should().BeApproximately(0.75 * stress * Stress(id) * breadth * depth, 2e-3 * stress * Stress(id) * breadth * depth);
        },
        iter: 400);

    [Fact]
    public void Two_way_shear_is_the_least_of_three() =>
        Gen.Select(Codes, Strengths, Gen.Double[1, 4], Gen.OneOf(Gen.Const(20.0), Gen.Const(30.0), Gen.Const(40.0)), Gen.Double[1, 8],
            Gen.Double[0.2, 1.2]).Sample(
        (id, strength, beta, alpha, perimeter, depth) =>
        {
            var root = Root(id, strength);
            double[] stresses = IsMetric(id)
                ? [0.33 * root, 0.17 * (1 + (2 / beta)) * root, 0.083 * (2 + (alpha * depth / perimeter)) * root]
                : [4 * root, (2 + (4 / beta)) * root, (2 + (alpha * depth / perimeter)) * root];
            Code(id).TwoWayShear(ref none, Concrete(strength), new TwoWaySection(beta, alpha, perimeter, depth))
                .Should().BeApproximately(0.75 * stresses.Min() * Stress(id), 1e-6 * stresses.Min() * Stress(id));
        },
        iter: 400);

    [Fact]
    public void The_share_of_a_moment_that_shear_carries() => Gen.Select(Codes, Gen.Double[0.2, 2], Gen.Double[0.2, 2]).Sample(
        (id, along, across) =>
        {
            var share = Code(id).ShearShareOfMoment(ref none, "γv,x", along, across);
            share.Should().BeApproximately(1 - (1 / (1 + (2.0 / 3 * Math.Sqrt(along / across)))), 1e-9);
            share.Should().BeInRange(0, 1);
        },
        iter: 200);

    [Theory]
    [InlineData("aci318m-19", 420e3, 0.0018)]
    [InlineData("aci318m-19", 500e3, 0.0018)]
    [InlineData("aci318m-14", 280e3, 0.0020)]
    [InlineData("aci318m-14", 420e3, 0.0018)]
    [InlineData("aci318m-14", 500e3, 0.0018 * 420 / 500)]
    [InlineData("aci318-14", 60 * 6894.757293168361, 0.0018)]
    [InlineData("aci318-14", 75 * 6894.757293168361, 0.0018 * 60 / 75)]
    [InlineData("aci318-19", 80 * 6894.757293168361, 0.0018)]
    public void The_least_steel_of_a_slab(string id, double yield, double ratio) =>
        Code(id).MinimumSteelRatio(ref none, DefaultConcrete, yield).Should().BeApproximately(ratio, 1e-9);

    [Fact]
    public void Plain_concrete_is_as_strong_as_its_reduced_section() =>
        Gen.Select(Codes, Strengths, Gen.Double[0.5, 4], Gen.Double[0.25, 1.5]).Sample(
        (id, strength, breadth, whole) =>
        {
            // 14.5.1.7: 50 mm or 2 in less where it is cast against the ground.
            var h = Code(id).PlainThickness(whole);
            h.Should().BeApproximately(whole - (IsMetric(id) ? 0.050 : 2 * Inch), 1e-9);
            var root = Root(id, strength);
            Code(id).PlainFlexure(ref none, Concrete(strength), breadth, h)
                .Should().BeApproximately(0.6 * (IsMetric(id) ? 0.42 : 5) * root * Stress(id) * breadth * h * h / 6, 1e-6 * strength);
            Code(id).PlainOneWayShear(ref none, Concrete(strength), breadth, h)
                .Should().BeApproximately(0.6 * (IsMetric(id) ? 0.11 : 4.0 / 3) * root * Stress(id) * breadth * h, 1e-6 * strength);
        },
        iter: 200);

    [Fact]
    public void Bearing_on_concrete_grows_with_what_supports_it_up_to_twice() =>
        Gen.Select(Codes, Strengths, Gen.Double[0.04, 1], Gen.Double[1, 9]).Sample(
        (id, strength, loaded, times) =>
            Code(id).BearingOnConcrete(ref none, strength, loaded, times * loaded)
                .Should().BeApproximately(0.65 * 0.85 * strength * loaded * Math.Min(2, Math.Sqrt(times)),
                    1e-6 * strength * loaded),
        iter: 200);

    [Fact]
    public void A_pressed_bar_takes_hold_in_the_greater_of_three() =>
        Gen.Select(Codes, Strengths, Gen.Double[275e3, 550e3], Gen.Int[0, 7]).Sample(
        (id, strength, yield, which) =>
        {
            var bar = (IsMetric(id) ? BarSize.MetricSizes : BarSize.UsSizes)[which + 1];
            var (fy, root, db) = (yield / Stress(id), Root(id, strength), bar.Diameter / Size(id));
            double[] lengths = IsMetric(id) ? [0.24 * fy / root * db, 0.043 * fy * db, 200] : [fy / (50 * root) * db, 0.0003 * fy * db, 8];
            Code(id).CompressionDevelopment(ref none, strength, 1, yield, bar.Diameter)
                .Should().BeApproximately(lengths.Max() * Size(id), 1e-6, bar.Name);
        },
        iter: 300);

    [Fact]
    public void Hooks_and_bends_are_those_of_the_table_of_bends() => Gen.Select(Codes, Gen.Int[0, 7]).Sample(
        (id, which) =>
        {
            var bar = (IsMetric(id) ? BarSize.MetricSizes : BarSize.UsSizes)[which + 1];

            // 25.3.1: six diameters up to No. 8 or 25 mm, eight to No. 11 or 36 mm; twelve diameters beyond the bend.
            var bend = (bar.Diameter <= (IsMetric(id) ? 0.0255 : 1.01 * Inch) ? 6 : bar.Diameter <= 1.42 * Inch ? 8 : 10) * bar.Diameter;
            Code(id).BendDiameter(bar.Diameter).Should().BeApproximately(bend, 1e-9, bar.Name);
            Code(id).HookHeight(bar.Diameter).Should().BeApproximately((12 * bar.Diameter) + (bend / 2) + bar.Diameter, 1e-9, bar.Name);
        },
        iter: 100);

    [Fact]
    public void Both_systems_of_an_edition_agree_but_for_the_rounding_of_their_coefficients() =>
        Gen.Select(Strengths, Gen.Double[0.5, 4], Gen.Double[0.25, 1.2], Gen.Double[0.002, 0.012], Gen.Bool).Sample(
        (strength, breadth, depth, ratio, newer) =>
        {
            var (metric, inch) = (Code(newer ? "aci318m-19" : "aci318m-14"), Code(newer ? "aci318-19" : "aci318-14"));
            void Near(double a, double b, string what) => (a / b).Should().BeInRange(0.97, 1.03, what);
            var (concrete, steel) = (Concrete(strength), ratio * breadth * depth);
            Near(metric.OneWayShear(ref none, concrete, breadth, depth, steel), inch.OneWayShear(ref none, concrete, breadth, depth, steel),
                "one-way shear");
            Near(metric.TwoWayShear(ref none, concrete, new TwoWaySection(1, 40, 4 * (0.4 + depth), depth)),
                inch.TwoWayShear(ref none, concrete, new TwoWaySection(1, 40, 4 * (0.4 + depth), depth)), "two-way shear");
            Near(metric.Flexure(ref none, concrete, 420e3, steel, breadth, depth).Strength,
                inch.Flexure(ref none, concrete, 420e3, steel, breadth, depth).Strength, "flexure");
            Near(metric.PlainFlexure(ref none, concrete, breadth, depth), inch.PlainFlexure(ref none, concrete, breadth, depth),
                "plain flexure");
            Near(metric.CompressionDevelopment(ref none, strength, 1, 420e3, 0.025),
                inch.CompressionDevelopment(ref none, strength, 1, 420e3, 0.025), "development");
        },
        iter: 200);

    [Fact]
    public void More_of_what_resists_never_resists_less() =>
        Gen.Select(Codes, Strengths, Gen.Double[0.5, 3], Gen.Double[0.25, 1], Gen.Double[0.002, 0.008], Gen.Double[1.01, 1.4]).Sample(
        (id, strength, breadth, depth, ratio, more) =>
        {
            var code = Code(id);
            double[] All(double fc, double b, double d, double steel) =>
            [
                code.OneWayShear(ref none, Concrete(fc), b, d, steel),
                code.TwoWayShear(ref none, Concrete(fc), new TwoWaySection(1, 40, 4 * (0.4 + d), d)) * 4 * (0.4 + d) * d,
                code.Flexure(ref none, Concrete(fc), 420e3, steel, b, d).Strength,
                code.PlainFlexure(ref none, Concrete(fc), b, d),
            ];
            var area = ratio * breadth * depth;
            var basis = All(strength, breadth, depth, area);
            foreach (var (better, what) in new[] { (All(strength * more, breadth, depth, area), "f'c"),
                (All(strength, breadth * more, depth, area), "breadth"), (All(strength, breadth, depth * more, area), "depth"),
                (All(strength, breadth, depth, area * more), "steel") })
            {
                for (var i = 0; i < basis.Length; i++)
                {
                    better[i].Should().BeGreaterThanOrEqualTo(basis[i] * (1 - 1e-9), $"{what}, strength {i} of {id}");
                }
            }
        },
        iter: 300);

    [Fact]
    public void Lighter_concrete_holds_less_in_shear_and_lengthens_what_takes_hold() =>
        Gen.Select(Codes, Strengths, Gen.Double[0.75, 0.99]).Sample(
        (id, strength, lightweight) =>
        {
            var code = Code(id);
            code.OneWayShear(ref none, Concrete(strength, lightweight), 1, 0.5, 0.002)
                .Should().BeApproximately(lightweight * code.OneWayShear(ref none, Concrete(strength), 1, 0.5, 0.002), 1e-6 * strength);
            code.TwoWayShear(ref none, Concrete(strength, lightweight), new TwoWaySection(1, 40, 3, 0.5))
                .Should().BeApproximately(lightweight * code.TwoWayShear(ref none, Concrete(strength), new TwoWaySection(1, 40, 3, 0.5)),
                    1e-6 * strength);
            code.CompressionDevelopment(ref none, strength, lightweight, 420e3, 0.025)
                .Should().BeGreaterThanOrEqualTo(code.CompressionDevelopment(ref none, strength, 1, 420e3, 0.025) - 1e-12);
        },
        iter: 200);
}
