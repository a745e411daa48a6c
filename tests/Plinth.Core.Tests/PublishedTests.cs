using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Results printed in textbooks and handbooks. docs/validation.md names each with its value, ours and the difference.</summary>
public class PublishedTests
{
    private static NoTrace none;

    private static ConcreteCode Code(string id) => ConcreteCodes.Find(id)!;

    private static BearingSituation Base(double phi, double c, double q, double gamma, double depth, double b, double l, double v = 1,
        double h = 0, double along = 0) => new(phi, c, q, gamma, depth, b, b, l, v, h, along);

    // J. E. Bowles, Foundation Analysis and Design, 5th ed., example 4-2: H. Muhs' loading test in Berlin, 0.5 × 2.0 m at 0.5 m, γ' 9.31
    // kN/m3, measured 1863 kPa.
    [Theory]
    [InlineData("hansen", 47.0, 1812)]
    [InlineData("meyerhof", 46.0, 2160)]
    public void Bowles_example_4_2_the_Berlin_test(string theory, double phi, double kPa) =>
        BearingTheory.Find(theory)!.Ultimate(ref none, Base(phi, 0, 9.31 * 0.5, 9.31, 0.5, 0.5, 2.0))
            .Should().BeApproximately(kPa, 0.005 * kPa);

    // Bowles table 4-4: Nγ of the three theories (Nq and Nc are one).
    [Theory]
    [InlineData("hansen", 30, 15.1)]
    [InlineData("vesic", 30, 22.4)]
    [InlineData("meyerhof", 30, 15.7)]
    [InlineData("hansen", 20, 2.9)]
    [InlineData("vesic", 20, 5.4)]
    [InlineData("meyerhof", 20, 2.9)]
    public void Bowles_table_4_4(string theory, double phi, double factor)
    {
        // A strip at the surface of sand: q_ult = γ/2·B·Nγ, so with γ 2 and B 1 it is Nγ; a very long base has no factor of shape.
        BearingTheory.Find(theory)!.Ultimate(ref none, Base(phi, 0, 0, 2, 0, 1, 1e9)).Should().BeApproximately(factor, 0.06);
    }

    [Theory]
    [InlineData(30, 30.14, 18.40)]
    [InlineData(20, 14.83, 6.40)]
    [InlineData(40, 75.31, 64.20)]
    public void Prandtl_and_Reissner_factors(double phi, double nc, double nq)
    {
        BearingTheory.Find("vesic")!.Ultimate(ref none, Base(phi, 1, 0, 0, 0, 1, 1e9)).Should().BeApproximately(nc, 0.01);
        BearingTheory.Find("vesic")!.Ultimate(ref none, Base(phi, 0, 1, 0, 0, 1, 1e9)).Should().BeApproximately(nq, 0.01);
    }

    // Prandtl 1921: 5.14 su for a strip; Vesić's 1 + 0.2·B/L and Brinch Hansen's 0.2·B/L for a square.
    [Theory]
    [InlineData("vesic", 1e9, 5.14)]
    [InlineData("vesic", 1.0, 6.14)]
    [InlineData("hansen", 1.0, 6.17)]
    public void Undrained_bearing_at_the_surface(string theory, double length, double factor) =>
        BearingTheory.Find(theory)!.Ultimate(ref none, Base(0, 1, 0, 0, 0, 1, length)).Should().BeApproximately(factor, 0.005);

    // Bowles table 5-2 (I1, I2 of Steinbrenner); Is = I1 + (1 − 2ν)/(1 − ν)·I2.
    [Theory]
    [InlineData(1, 0.2, 0.009, 0.041)]
    [InlineData(1, 1.0, 0.142, 0.083)]
    [InlineData(1, 10.0, 0.498, 0.016)]
    public void Bowles_table_5_2(double m, double n, double first, double second)
    {
        ElasticSettlement.Corner(m, n, 0.5).Should().BeApproximately(first, 0.0006, "at ν 0.5 the second drops out");
        (ElasticSettlement.Corner(m, n, 0) - ElasticSettlement.Corner(m, n, 0.5)).Should().BeApproximately(second, 0.0006);
    }

    // S. P. Timoshenko, J. N. Goodier, Theory of Elasticity: a flexible square settles 1.122 q·b(1 − ν²)/E in its middle, half of that at
    // its corners; 1.53 in the middle of 1 : 2.
    [Fact]
    public void Flexible_rectangles_on_a_half_space()
    {
        ElasticSettlement.Factor(1, 1, 0, double.PositiveInfinity, 0.3).Should().BeApproximately(1.122, 0.001);
        ElasticSettlement.Factor(1, 1, 1, double.PositiveInfinity, 0.3).Should().BeApproximately(0.561, 0.001);
        ElasticSettlement.Factor(2, 1, 0, double.PositiveInfinity, 0.3).Should().BeApproximately(1.532, 0.001);
    }

    // R. V. Whitman, F. E. Richart (1967): a rigid square settles q·√A(1 − ν²)/(βz·E) with βz 1.07, so 0.93·… over the mean; the
    // characteristic point gives 0.87.
    [Fact]
    public void The_characteristic_point_stands_for_a_rigid_base() =>
        ElasticSettlement.Factor(1, 1, ElasticSettlement.CharacteristicPoint, double.PositiveInfinity, 0.3)
            .Should().BeApproximately(0.87, 0.02);

    // Handbook of a 13 ft square base (the known results above): No. 8 bars in f'c 3000 psi, 2.5 db of cover: ld 32.9 in, 318-14.
    [Fact]
    public void Straight_development_of_a_number_8() =>
        Code("aci318-14").StraightDevelopment(ref none, Pounds(3000), Bar("#8", 15 * Inch, 3.5 * Inch))
            .Should().BeApproximately(32.9 * Inch, 0.05 * Inch);

    // ACI handbook tables for f'c 4000 psi: hooks of No. 8 19.0 in before factors, 0.7 of it with side cover; pressed No. 8 19.0 in;
    // straight No. 6 17.1 in.
    [Fact]
    public void Development_tables_of_318_14()
    {
        var code = Code("aci318-14");
        code.HookedDevelopment(ref none, Pounds(4000), Bar("#8", 8 * Inch, 3 * Inch) with { SideCover = 2 * Inch })
            .Should().BeApproximately(19.0 * Inch, 0.05 * Inch);
        code.HookedDevelopment(ref none, Pounds(4000), Bar("#8", 8 * Inch, 3 * Inch))
            .Should().BeApproximately(0.7 * 18.97 * Inch, 0.05 * Inch);
        code.CompressionDevelopment(ref none, 4000 * Psi, 1, 60000 * Psi, Inch).Should().BeApproximately(19.0 * Inch, 0.05 * Inch);
        code.StraightDevelopment(ref none, Pounds(4000), Bar("#6", 10 * Inch, 3 * Inch)).Should().BeApproximately(17.1 * Inch, 0.05 * Inch);
    }

    // 318-19 25.4.3: No. 8, f'c 4000 psi: 60000·0.867/(55·63.2)·1^1.5 = 14.9 in, 1.25 of it under 6 db of side cover, 1.6 of it nearer than
    // 6 db.
    [Fact]
    public void Hooks_of_318_19()
    {
        var code = Code("aci318-19");
        var bar = Bar("#8", 8 * Inch, 3 * Inch) with { SideCover = 7 * Inch };
        code.HookedDevelopment(ref none, Pounds(4000), bar).Should().BeApproximately(14.95 * Inch, 0.01 * Inch);
        code.HookedDevelopment(ref none, Pounds(4000), bar with { SideCover = 3 * Inch })
            .Should().BeApproximately(1.25 * 14.95 * Inch, 0.02 * Inch);
        code.HookedDevelopment(ref none, Pounds(4000), bar with { Spacing = 5 * Inch })
            .Should().BeApproximately(1.6 * 14.95 * Inch, 0.02 * Inch);
    }

    // The same handbook base: column 30 × 12 in, f'c 5000 over 3000 psi: 994.5 kip on the column, 1193 kip on the footing (A2/A1 beyond 4),
    // dowels 1.8 in².
    [Fact]
    public void Force_transfer_of_the_handbook_base()
    {
        var code = Code("aci318-14");
        var a1 = 30 * 12 * Inch * Inch;
        code.BearingOnConcrete(ref none, 5000 * Psi, a1, a1).Should().BeApproximately(994.5 * Kip, 0.1 * Kip);
        code.BearingOnConcrete(ref none, 3000 * Psi, a1, 16 * a1).Should().BeApproximately(1193.4 * Kip, 0.1 * Kip);
        (code.LeastDowels * a1).Should().BeApproximately(1.8 * Inch * Inch, 1e-9);
    }

    // A. H. Nilson, Design of Concrete Structures, example 8.1: 12 × 20 in, four No. 9 in the corners 2.5 in from the faces, f'c 4000, fy
    // 60000 psi.
    // The book does not take off the concrete that pressed bars displace: 0.85·4·2 = 6.8 kip.
    [Theory]
    [InlineData(10.3, 357, 317)]
    [InlineData(5.0, 140, 243)]
    public void Nilson_example_8_1(double c, double kip, double kipFeet)
    {
        SectionBar[] bars = [.. new[] { (-3.5, -7.5), (-3.5, 7.5), (3.5, -7.5),
            (3.5, 7.5) }.Select(b => new SectionBar(b.Item1 * Inch, b.Item2 * Inch, Inch * Inch))];
        var section = Code("aci318-14").Section(12 * Inch, 20 * Inch, false, bars, 4000 * Psi, 60000 * Psi);
        var (force, x, y) = section.Resultant(0, 1, c * Inch);
        var displaced = 0.85 * 4 * 2 * (c > 2.5 / 0.85 ? 1 : 0);
        ((force / Kip) + displaced).Should().BeApproximately(kip, 1.5);
        ((y / Kip / Foot) + (displaced * 7.5 / 12)).Should().BeApproximately(kipFeet, 1.5);
        x.Should().BeApproximately(0, 1e-9);
        (section.Squash / Kip).Should().BeApproximately(1056 - (0.85 * 4 * 4), 0.5, "Po 1056 kip without the deduction");
    }

    // ACI 318-14 22.9.4: 4 No. 7 across a joint that is not roughened: 0.75·0.6·2.4·60 = 64.8 kip.
    [Fact]
    public void Shear_friction_by_hand()
    {
        var joint = new FrictionJoint(3000 * Psi, 1, 360 * Inch * Inch, 2.4 * Inch * Inch, 60000 * Psi, 0, JointSurface.Plain);
        Code("aci318-14").ShearFriction(ref none, joint).Should().BeApproximately(64.8 * Kip, 0.01 * Kip);
        Code("aci318-14").ShearFriction(ref none, joint with { Surface = JointSurface.Roughened, Pressing = 50 * Kip })
            .Should().BeApproximately(0.75 * (144 + 50) * Kip, 0.01 * Kip);
        Code("aci318-14").ShearFriction(ref none, joint with { Area = 20 * Inch * Inch })
            .Should().BeApproximately(0.75 * 0.2 * 3 * 20 * Kip, 0.01 * Kip, "0.2 f'c limits it");
    }

    private static ConcreteRules Pounds(double psi) => DefaultConcrete with { Strength = psi * Psi };

    private static DevelopedBar Bar(string name, double spacing, double toFace) =>
        new(Sizes(name)[0], 60000 * Psi, spacing, toFace, 3 * Inch, 0);
}
