using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Beams with stirrups by ACI 318 chapters 9 and 22, against the clauses' formulas written out: 500 × 900 mm (d) with 4 T25, 2 T10 legs, f'c 30,
/// fy 420 MPa, weights and factors of normal concrete.
/// </summary>
public class BeamCodeTests
{
    private const double Bw = 0.5;
    private const double D = 0.9;
    private const double Section = Bw * D;
    private static readonly double Bars = 4 * Math.PI * 0.025 * 0.025 / 4;
    private static readonly double Legs = 2 * Math.PI * 0.01 * 0.01 / 4;
    private static readonly double Root = Math.Sqrt(30);
    private static NoTrace none;

    private static ConcreteCode Code(string id) => ConcreteCodes.Find(id)!;

    private static StirrupedBeam Beam(double spacing, double? legs = null, double yield = 420e3) => new(Bw, D, Bars, legs ?? Legs, spacing, yield);

    private static double Strength(string code, in StirrupedBeam beam) =>
        Code(code).BeamShear(ref none, DefaultConcrete with { Strength = 30e3 }, beam);

    private static StirrupLimits Limits(string code, in StirrupedBeam beam, double shear) =>
        Code(code).Stirrups(ref none, DefaultConcrete with { Strength = 30e3 }, beam, shear);

    // φ·(vc + Av·fy/(bw·s))·bw·d in kN, vc in MPa.
    private static double Expected(double vc, double spacing) => 0.75 * ((vc * 1e3) + (Legs * 420e3 / (Bw * spacing))) * Section;

    [Theory]
    [InlineData("aci318m-19")]
    [InlineData("aci318m-14")]
    public void With_its_least_stirrups_concrete_carries_by_the_root_alone(string code) =>
        Strength(code, Beam(0.2)).Should().BeApproximately(Expected(0.17 * Root, 0.2), 1e-9);

    [Fact]
    public void Below_its_least_stirrups_the_later_code_counts_steel_and_size()
    {
        // 22.5.5.1(c): 0.66·λs·ρw^⅓·√f'c, λs = √(2/(1 + 0.004·900)); 0.35·500·400/420 = 166.7 mm² exceed the 157.1 that are there.
        var vc = 0.66 * Math.Sqrt(2 / (1 + (0.004 * 900))) * Math.Cbrt(Bars / Section) * Root;
        Strength("aci318m-19", Beam(0.4)).Should().BeApproximately(Expected(vc, 0.4), 1e-9);
        Strength("aci318m-14", Beam(0.4)).Should().BeApproximately(Expected(0.17 * Root, 0.4), 1e-9);
    }

    [Theory]
    [InlineData("aci318m-19")]
    [InlineData("aci318m-14")]
    public void Stirrups_carry_no_more_than_the_section_lets_them(string code) =>
        Strength(code, Beam(0.1, 1000e-6)).Should().BeApproximately(0.75 * (0.17 + 0.66) * Root * 1e3 * Section, 1e-9);

    [Fact]
    public void Stirrups_of_a_higher_grade_count_as_the_first() =>
        Strength("aci318m-19", Beam(0.2, yield: 690e3)).Should().BeApproximately(Strength("aci318m-19", Beam(0.2)), 1e-9);

    [Fact]
    public void Without_stirrups_or_without_bars()
    {
        var plain = 0.66 * Math.Sqrt(2 / (1 + (0.004 * 900))) * Math.Cbrt(Bars / Section) * Root;
        Strength("aci318m-19", new(Bw, D, Bars, 0, 0, 420e3)).Should().BeApproximately(
            0.75 * plain * 1e3 * Section, 1e-9);
        Strength("aci318m-19", new(Bw, D, 0, Legs, 0.2, 420e3)).Should().Be(0);
    }

    [Theory]
    [InlineData("aci318m-19", 50, 0.45, 0.6, false)] // v 0.148 MPa, below 0.083·√f'c
    [InlineData("aci318m-19", 300, 0.45, 0.6, true)]
    [InlineData("aci318m-19", 1000, 0.225, 0.3, true)] // vs 2.03 MPa, over 0.33·√f'c: half of each
    [InlineData("aci318m-14", 150, 0.45, double.PositiveInfinity, false)] // v 0.444 MPa, below half of 0.17·√f'c
    [InlineData("aci318m-14", 160, 0.45, double.PositiveInfinity, true)]
    [InlineData("aci318m-14", 1000, 0.225, double.PositiveInfinity, true)]
    public void Spacing_along_and_across_and_where_the_least_is_asked(string code, double shear, double along, double across, bool least)
    {
        var limits = Limits(code, Beam(0.2), shear);
        limits.Spacing.Should().BeApproximately(along, 1e-12);
        limits.Across.Should().BeApproximately(across, 1e-12);
        limits.Area.Should().BeApproximately(least ? 0.35 * Bw * 0.2 / 420 : 0, 1e-12, "the greater of 0.062·√f'c and 0.35, over fy");
    }

    [Theory]
    [InlineData("aci318m-19", 30, 420, 1.4 / 420)]
    [InlineData("aci318m-19", 40, 420, 0.25 * 6.324555320336759 / 420)]
    [InlineData("aci318m-19", 30, 690, 1.4 / 550)] // 9.6.1.2: fy no higher than 550
    [InlineData("aci318m-14", 30, 690, 1.4 / 690)]
    public void Least_steel_of_a_beam(string code, double strength, double yield, double ratio) =>
        Code(code).LeastBeamSteel(ref none, DefaultConcrete with { Strength = strength * 1e3 }, yield * 1e3, Bw, D)
            .Should().BeApproximately(ratio * Section, 1e-12);

    [Fact]
    public void In_inches_and_pounds()
    {
        // 12 × 20 in, f'c 4000 psi, 2 #3 legs at 8 in: 2·√4000·240 = 30.36, 0.22·60·20/8 = 33.0 kip; least steel 200/60000·240 = 0.80 in².
        var concrete = DefaultConcrete with { Strength = 4000 * Psi };
        var beam = new StirrupedBeam(12 * Inch, 20 * Inch, 2 * Inch * Inch, 0.22 * Inch * Inch, 8 * Inch, 60000 * Psi);
        foreach (var id in (string[])["aci318-19", "aci318-14"])
        {
            var code = Code(id);
            (code.BeamShear(ref none, concrete, beam) / Kip).Should().BeApproximately(0.75 * ((2 * Math.Sqrt(4000) * 0.240) + 33), 2e-3);
            (code.LeastBeamSteel(ref none, concrete, 60000 * Psi, 12 * Inch, 20 * Inch) / (Inch * Inch)).Should().BeApproximately(0.8, 1e-6);
            (code.MostStirrupSpacing / Inch).Should().BeApproximately(24, 1e-9);
            (code.SideBarsFrom / Inch).Should().BeApproximately(36, 1e-9);
        }
    }

    [Fact]
    public void More_stirrups_nearer_together_never_carry_less()
    {
        foreach (var code in (string[])["aci318m-19", "aci318m-14", "aci318-19", "aci318-14"])
        {
            var last = 0.0;
            for (var s = 0.6; s > 0.05; s -= 0.025)
            {
                var own = Strength(code, Beam(s));
                own.Should().BeGreaterThanOrEqualTo(last - 1e-9, $"{code} at {s}");
                last = own;
            }
        }
    }
}
