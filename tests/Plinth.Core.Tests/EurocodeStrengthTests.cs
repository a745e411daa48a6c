using CsCheck;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Concrete.Codes.En1992;
using Plinth.Core.Foundations;
using Plinth.Core.National;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Strengths of EN 1992-1-1 from the clauses, each worked by hand beside the call.</summary>
public class EurocodeStrengthTests
{
    private static readonly En1992 Code = new(NationalAnnex.Recommended);
    private static readonly ConcreteRules C30 = EurocodeTests.C30;
    private static readonly double H20 = Math.PI * 1e-4;
    private static NoTrace none;

    private static ColumnSection Square(double side, double toCentre) => Code.Section(side, side, false,
        ColumnSection.Around(side, side, false, new BarLayer(4, Sizes("H20")[0]), toCentre), 30e3, 500e3);

    // 0.4 m square, H20 in the corners at 50 mm: x 0.2 m, block 0.16 m, both layers yield. N = 20·0.4·0.16 + (434.8 − 20)·2·314.2 −
    // 434.8·2·314.2 = 1267.4 kN; M = 1280·0.12 + (260.6 + 273.2)·0.15 = 233.7 kNm.
    [Fact]
    public void A_column_under_force_and_moment()
    {
        var fyd = 500e3 / 1.15;
        var (n, m) = (1280 + ((fyd - 20e3) * 2 * H20) - (fyd * 2 * H20), (1280 * 0.12) + ((((2 * fyd) - 20e3) * 2 * H20) * 0.15));
        n.Should().BeApproximately(1267.4, 0.1);
        m.Should().BeApproximately(233.7, 0.1);
        Code.TimesHeld(ref none, Square(0.4, 0.05), n, 0, m).Should().BeApproximately(1, 1e-6);
        Code.TimesHeld(ref none, Square(0.4, 0.05), n, -m, 0).Should().BeApproximately(1, 1e-6);
    }

    // Pressed towards a corner: the triangle of the block holds a tenth less. A column without bars, 0.4 m square, along its diagonal:
    // a triangle of area A = N/(0.9·fcd) whose centroid lies at the load. N at an eccentricity of 0.1 m both ways.
    [Fact]
    public void A_column_pressed_towards_a_corner()
    {
        var plain = Code.Section(0.4, 0.4, false, [new SectionBar(0, 0, 1e-12)], 30e3, 500e3);
        // A right triangle with legs of 0.3 m has its centroid 0.1 m from each side, as the load: 0.2 − 0.1.
        var held = 0.9 * 20e3 * 0.3 * 0.3 / 2;
        Code.TimesHeld(ref none, plain, held, -held * 0.1, held * 0.1).Should().BeApproximately(1, 1e-4);
        Code.TimesHeld(ref none, plain, 20e3 * 0.4 * 0.2, 0, 20e3 * 0.4 * 0.2 * 0.1).Should().BeApproximately(1, 1e-4);
    }

    // All over its section bars have εc3 = 1.75 ‰: 350 MPa. At the least eccentricity it holds less.
    [Fact]
    public void A_column_pressed_in_its_middle()
    {
        var section = Square(0.4, 0.05);
        section.Squash.Should().BeApproximately((20e3 * (0.16 - (4 * H20))) + (350e3 * 4 * H20), 1e-6);
        var held = Code.TimesHeld(ref none, section, 1, 0, 0);
        held.Should().BeLessThan(section.Squash);
        held.Should().BeApproximately(Code.TimesHeld(ref none, section, 1, 0, 0.020), 1e-9);
        Code.TimesHeld(ref none, section, -1, 0, 0).Should().BeApproximately(500e3 / 1.15 * 4 * H20, 1e-6);
    }

    // The bound never exceeds what the section comes to.
    [Fact]
    public void The_bound_of_a_column_holds() =>
        Gen.Select(Gen.Double[50, 4000], Gen.Double[-200, 200], Gen.Double[-200, 200], Gen.Double[0.3, 0.7]).Sample(
            (n, mx, my, side) =>
            {
                var section = Square(side, 0.05);
                return 1 / Code.TimesHeld(ref none, section, n, mx, my) <= Code.UtilisationBound(section, n, mx, my) + 1e-9;
            },
            iter: 300);

    // Dowels need not take hold where the concrete alone holds the load.
    [Fact]
    public void Pressed_dowels_take_hold_for_what_is_asked_of_them()
    {
        Code.PressedShare(Square(0.4, 0.05), 3000, 0, 0).Should().Be(0);
        Code.PressedShare(Square(0.4, 0.05), 3300, 0, 0).Should().Be(1);
        Code.PressedShare(Square(0.4, 0.05), 600, 0, 120).Should().Be(0);
        Code.PressedShare(Square(0.4, 0.05), -100, 0, 5).Should().Be(0);
    }

    // Rough, C30/37: c 0.4, μ 0.7, 0.16 m2, 8 H20 of 500, pressed by 300 kN: 0.4·1.352 + 0.7·1.875 + 0.01571·434.8·0.7 = 6.634, at most
    // 0.5·0.528·20 = 5.28 MPa. Smooth with 4 H20: 0.2·1.352 + 0.6·1.875 + 0.007854·434.8·0.6 = 3.444 MPa.
    [Fact]
    public void Joints_in_shear()
    {
        FrictionJoint Joint(JointSurface surface, int bars, double pressing = 300, bool parted = false) =>
            new(30e3, 1, 0.16, bars * H20, 500e3, pressing, surface) { Parted = parted };
        Code.ShearFriction(ref none, Joint(JointSurface.Roughened, 8)).Should().BeApproximately(5280 * 0.16, 0.1);
        Code.ShearFriction(ref none, Joint(JointSurface.Plain, 4)).Should().BeApproximately(3444 * 0.16, 0.2);
        // Pulled: no bond of the concrete, and what parts it takes away.
        Code.ShearFriction(ref none, Joint(JointSurface.Plain, 4, -100)).Should().BeApproximately((0.6 * ((-100 / 0.16) + (4 * H20 / 0.16 * 500e3 / 1.15))) * 0.16, 0.1);
        Code.ShearFriction(ref none, Joint(JointSurface.Plain, 4, parted: true)).Should().BeApproximately((3444 - 270.3) * 0.16, 0.2);
    }

    // fctd,pl 1.081 MPa on 2.0 × 0.5 m: M 90.1 kNm, V 720.8 kN.
    [Fact]
    public void Plain_concrete()
    {
        Code.PlainFlexure(ref none, C30, 2, 0.5).Should().BeApproximately(90.1, 0.05);
        Code.PlainOneWayShear(ref none, C30, 2, 0.5).Should().BeApproximately(720.8, 0.4);
        Code.PlainThickness(0.5).Should().Be(0.5);
    }

    // H20: fbd 3.041 MPa, lb,rqd 714.8 mm. Laps α6 1.5: pressed 1072 mm; pulled with cd 40 mm, α2 0.85: 911.4 mm.
    [Fact]
    public void Laps_and_anchorage()
    {
        var h20 = Sizes("H20")[0];
        var bar = new LappedBar(h20, null, 500e3, 0.3, 0.050);
        Code.CompressionDevelopment(ref none, 30e3, 1, 500e3, 0.020).Should().BeApproximately(0.7148, 5e-5);
        Code.CompressionLap(ref none, C30, bar).Should().BeApproximately(1.0722, 5e-5);
        Code.TensionLap(ref none, C30, bar).Should().BeApproximately(0.9114, 5e-5);
        // Poor bond 0.7, thick bars (132 − 40)/100, a hook well covered 0.7.
        DevelopedBar Bar(string size, double fresh, double cover) => new(Sizes(size)[0], 500e3, 0.4, cover + (Sizes(size)[0].Diameter / 2), cover, fresh);
        var good = Code.StraightDevelopment(ref none, C30, Bar("H20", 0.2, 0.020));
        good.Should().BeApproximately(0.7148, 5e-5);
        Code.StraightDevelopment(ref none, C30, Bar("H20", 0.3, 0.020)).Should().BeApproximately(0.7148 / 0.7, 1e-4);
        Code.StraightDevelopment(ref none, C30, Bar("H40", 0.2, 0.040)).Should().BeApproximately(0.7148 * 2 / 0.92, 1e-4);
        Code.HookedDevelopment(ref none, C30, Bar("H20", 0.2, 0.060)).Should().BeApproximately(0.7148, 5e-5);
        Code.HookedDevelopment(ref none, C30, Bar("H20", 0.2, 0.061)).Should().BeApproximately(0.7148 * 0.7 * (1 - (0.15 * 0.001 / 0.02)), 1e-4);
    }

    // bw 0.4, d 0.6 m, H10 two-legged at 200: cot θ 2.5: 157.1/200·540·434.8·2.5 = 460.9 kN; the strut bears 0.4·540·0.528·20/2.9 = 786.5.
    // With 4 legs at 75: 45° is nearer: found where both are alike.
    [Fact]
    public void Beams_with_stirrups()
    {
        StirrupedBeam Beam(int legs, double spacing) => new(0.4, 0.6, 0.002, legs * Math.PI * 25e-6, spacing, 500e3);
        Code.BeamShear(ref none, C30, Beam(2, 0.2)).Should().BeApproximately(460.9, 0.2);
        var (pull, push) = (4 * Math.PI * 25e-6 / 0.075 * 0.54 * 500e3 / 1.15, 0.4 * 0.54 * 0.528 * 20e3);
        var cot = Math.Sqrt((push / pull) - 1);
        Code.BeamShear(ref none, C30, Beam(4, 0.075)).Should().BeApproximately(pull * cot, 0.1);
        (push / (cot + (1 / cot))).Should().BeApproximately(pull * cot, 0.1);
        var limits = Code.Stirrups(ref none, C30, Beam(2, 0.2), 300);
        (limits.Spacing, limits.Across).Should().Be((0.75 * 0.6, 0.75 * 0.6));
        limits.Area.Should().BeApproximately(0.08 * Math.Sqrt(30) / 500 * 0.4 * 0.2, 1e-9);
        Code.LeastBeamSteel(ref none, C30, 500e3, 0.4, 0.6).Should().BeApproximately(0.26 * 2.8965 / 500 * 0.24, 1e-7);
    }

    // A shaft of 0.5 m with little steel: vmin with k 1.667, σcp 1.5 MPa: (0.4126 + 0.225)·0.5·0.45 = 143.5 kN.
    [Fact]
    public void Columns_in_shear()
    {
        Code.ColumnShear(ref none, C30, new ShearColumn(0.5, 0.45, 0.25, 375, 1e-9, 0.3, 500e3)).Should().BeApproximately(143.5, 0.1);
        // Pulled: struts at 45°.
        Code.ColumnShear(ref none, C30, new ShearColumn(0.5, 0.45, 0.25, -375, 157.08e-6, 0.1, 500e3))
            .Should().BeApproximately(157.08e-6 / 0.1 * 0.405 * 500e3 / 1.15, 0.1);
        Code.ShearBothWays(ref none, 0.4, 0.3).Should().BeApproximately(0.7, 1e-12);
    }

    // 0.6·0.88·20 = 10.56 MPa in struts; nodes 17.6, 14.96, 13.2.
    [Fact]
    public void Struts_nodes_and_ties()
    {
        Code.Strut(ref none, C30, 0.1).Should().BeApproximately(1056, 0.01);
        Code.Node(ref none, C30, 0.1, NodeTies.None).Should().BeApproximately(1760, 0.01);
        Code.Node(ref none, C30, 0.1, NodeTies.OneWay).Should().BeApproximately(1496, 0.01);
        Code.Node(ref none, C30, 0.1, NodeTies.BothWays).Should().BeApproximately(1320, 0.01);
        Code.Tie(ref none, 1e-3, 500e3).Should().BeApproximately(434.8, 0.05);
    }

    // 0.25 m thick, 3 m high, held: etot 41.67 + 7.5 mm, Φ = min(1.14·0.6067 − 0.24; 0.6067) = 0.4516: 0.25·16·0.4516 MN/m.
    [Fact]
    public void Walls()
    {
        Code.WallAxial(ref none, 30e3, 0.25, 3, true).Should().BeApproximately(1806.5, 0.5);
        Code.LeastWallSteel(ref none, 0.016, 0.010, 500e3).Should().Be((0.002, 0.001));
        Code.MostWallSpacing(0.1).Should().BeApproximately(0.3, 1e-12);
    }

    // Table 4.4N: XC2, S4 25 mm; XD2, S4 40 mm. 10 mm more, at least the bar, 40 mm on blinding, 75 mm on the ground.
    [Theory]
    [InlineData("XC2", 4, 0.016, true, true, 0.040)]
    [InlineData("XC2", 4, 0.016, true, false, 0.075)]
    [InlineData("XC2", 4, 0.016, false, true, 0.035)]
    [InlineData("XC2", 4, 0.032, false, true, 0.042)]
    [InlineData("XD2", 4, 0.016, true, true, 0.050)]
    [InlineData("XC4", 6, 0.016, false, true, 0.050)]
    [InlineData(null, 4, 0.025, false, true, 0.035)]
    public void Cover(string? exposure, int structural, double bar, bool onGround, bool blinded, double cover)
    {
        var found = exposure is null ? null : Exposure.Find(exposure)! with { StructuralClass = structural };
        CoverOf.Least(NationalAnnex.Recommended, found, bar, onGround, blinded).Cover.Should().BeApproximately(cover, 1e-9);
    }

    // k of table 6.1 and bearing: b2 − b1 ≤ h, sides up to 3 times.
    [Fact]
    public void Shares_of_moments_and_spread_of_bearing()
    {
        var perimeters = (IShearPerimeters)Code;
        foreach (var (ratio, k) in ((double, double)[])[(0.3, 0.45), (0.5, 0.45), (0.75, 0.525), (1, 0.6), (1.5, 0.65), (2, 0.7), (3, 0.8), (5, 0.8)])
        {
            perimeters.ShareOfMoment(ratio, 1, false).Should().BeApproximately(k, 1e-12);
        }

        perimeters.ShareOfMoment(2, 1, true).Should().Be(0.6);
        Code.SimilarTimes(new ConcentricSpread(0.4, 0.4, 1, 1, 0.55)).Should().BeApproximately(2.375, 1e-12);
        Code.SimilarTimes(new ConcentricSpread(0.4, 0.4, 1, 0.1, 0.55)).Should().BeApproximately(1.5, 1e-12);
        Code.SimilarTimes(new ConcentricSpread(0.2, 0.2, 1, 1, 1)).Should().Be(3);
    }

    // Above C50/60: C60/75, 10 H25 in a metre, d 0.6 m: λ 0.775, η 0.95, x = 4909·434.8/(0.775·0.95·40·1000) = 72.5 mm.
    [Fact]
    public void High_strength()
    {
        var strong = C30 with { Strength = 60e3 };
        var x = 10 * Math.PI * 625e-6 / 4 * 500e3 / 1.15 / (0.775 * 0.95 * 40e3);
        Code.Flexure(ref none, strong, 500e3, 10 * Math.PI * 625e-6 / 4, 1, 0.6).Strength
            .Should().BeApproximately(10 * Math.PI * 625e-6 / 4 * 500e3 / 1.15 * (0.6 - (0.775 * x / 2)), 1e-6);
        Code.Flexure(ref none, strong, 500e3, 0.0145, 1, 0.6).Ductile.Should().BeFalse("x/d exceeds 0.35");
        Code.Flexure(ref none, C30, 500e3, 0.0094, 1, 0.6).Ductile.Should().BeTrue("x/d is 0.426");
        Code.Flexure(ref none, C30, 500e3, 0.0102, 1, 0.6).Ductile.Should().BeFalse("x/d is 0.462");
    }
}
