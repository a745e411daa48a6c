using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Rules that few buildings meet, each worked by hand from its clause.</summary>
public class DirectValueTests
{
    private static readonly RuleSet Weightless = Rules with
    {
        Ground = DefaultGround with { SoilWeight = 0, FoundingDepth = 0.5 },
        Concrete = DefaultConcrete with { Weight = 0, CoverBottom = 0.064 }
    };

    [Fact]
    public void Least_steel_at_a_punched_column()
    {
        // 2.4 m square, column 0.4, d 0.42, N 1200: vuv = (1200 − 208.333·0.82²)/(3.28·0.42) = 0.7694 MPa, above 0.75·0.17·√30 = 0.6984;
        // within 0.4 + 3·0.5 = 1.9 m:
        // As ≥ 5·vuv·bslab·bo/(φ·αs·fy) = 5·0.7694·1.9·3.28/(0.75·40·420) m² (318M-19 8.6.1.2).
        var r = Check(OneAction(new SupportAction(1200, 0, 0, 0, 0, 0), Weightless), Design(2.4, 2.4, 0.5)).Of("punching-steel").Outcome;
        var vuv = (1200 - (1200 / 5.76 * 0.82 * 0.82)) / (3.28 * 0.42) / 1000;
        vuv.Should().BeApproximately(0.7694, 1e-4);
        r.Demand.Should().BeApproximately(5 * vuv * 1.9 * 3.28 / (0.75 * 40 * 420), 1e-9);
        r.Capacity.Should().BeApproximately(13 * Math.PI * 0.016 * 0.016 / 4 * 1.9 / 2.4, 1e-9);

        // Below the threshold none is asked.
        Check(OneAction(new SupportAction(1050, 0, 0, 0, 0, 0), Weightless), Design(2.4, 2.4, 0.5))
            .Of("punching-steel").Outcome.Demand.Should().Be(0);
    }

    [Theory]
    [InlineData("aci318m-19", 0.075, 0.1925)]
    [InlineData("aci318m-19", 0.030, 0.300)]
    [InlineData("aci318-19", 3 * Inch, 15 * Inch * 40 / (280e3 / Psi / 1000) - (7.5 * Inch))]
    public void Spacing_for_cracks(string code, double cover, double most)
    {
        // fs = 2/3·420 = 280 MPa: the lesser of 380·280/fs − 2.5·cc and 300·280/fs (318M-19 24.3.2); 15·40000/fs − 2.5·cc and 12·40000/fs
        // in inches.
        var rules = Rules with
        {
            Steel = DefaultSteel with { CrackSpacing = true, MostSpacing = 0.45 },
            Concrete = DefaultConcrete with { CoverBottom = cover }
        };
        var r = Check(OneAction(new SupportAction(300, 0, 0, 0, 0, 0), rules, code: code), Design(2, 2, 0.5, "6 T16", "6 T16"))
            .Of("bar-spacing-x").Outcome;
        r.Demand.Should().BeApproximately((2 - 0.15 - 0.016) / 5, 1e-12);
        r.Capacity.Should().BeApproximately(most, 1e-6);
    }

    [Fact]
    public void Development_by_the_steel_that_is_required()
    {
        // T16, cb/db at its most 2.5, ψs 0.8: ld = 420·0.8/(1.1·√30·2.5)·16 = 357 mm (25.4.2.4); times Mu/φMn it stays above 300 mm or is
        // that (25.4.10.1, 25.4.2.1).
        var full = 420 * 0.8 / (1.1 * Math.Sqrt(30) * 2.5) * 0.016;
        foreach (var n in (double[])[700, 1050])
        {
            var rules = Weightless with { Steel = DefaultSteel with { AnchorageExcess = true } };
            var result = Check(OneAction(new SupportAction(n, 0, 0, 0, 0, 0), rules), Design(2, 2, 0.5, "10 T16", "10 T16"));
            var share = result.Of("flexure-bottom-x").Utilisation;
            result.Of("anchorage-x").Outcome.Demand.Should().BeApproximately(Math.Max(0.3, full * share), 1e-9, $"Mu/φMn {share}");
            var without = Check(OneAction(new SupportAction(n, 0, 0, 0, 0, 0), Weightless), Design(2, 2, 0.5, "10 T16", "10 T16"));
            without.Of("anchorage-x").Outcome.Demand.Should().BeApproximately(full, 1e-9);
        }
    }

    [Fact]
    public void Gross_pressure_deducts_no_weight()
    {
        // 2 m square, weights 82.56 kN on 4 m²: p = (600 + 82.56)/4; at the face 0.8 m from the edge M = p·2·0.8²/2, net (p − 21)·2·0.8²/2.
        const double pressure = (600 + 82.56) / 4;
        Outcome At(SectionPressure p) =>
            Check(OneAction(new SupportAction(600, 0, 0, 0, 0, 0), Rules with { Concrete = DefaultConcrete with { Pressure = p } }),
                Design(2, 2, 0.5)).Of("flexure-bottom-x").Outcome;
        At(SectionPressure.Gross).Demand.Should().BeApproximately(pressure * 0.64, 1e-9);
        At(SectionPressure.Net).Demand.Should().BeApproximately((pressure - 21) * 0.64, 1e-9);
    }

    [Fact]
    public void A_stated_phi_of_shear_stands_in_place_of_the_code_s()
    {
        Outcome Of(double? phi, string id) =>
            Check(OneAction(new SupportAction(600, 0, 0, 0, 0, 0), Rules with { Concrete = DefaultConcrete with { ShearPhi = phi } }),
                Design(2, 2, 0.5)).Of(id).Outcome;
        foreach (var id in (string[])["one-way-shear-x", "one-way-shear-y", "two-way-shear"])
        {
            Of(0.6, id).Capacity.Should().BeApproximately(Of(null, id).Capacity * 0.6 / 0.75, 1e-9, id);
        }

        Of(0.6, "flexure-bottom-x").Capacity.Should().Be(Of(null, "flexure-bottom-x").Capacity);
    }

    [Fact]
    public void A_pulled_column_is_held_at_the_depth_of_the_top_bars()
    {
        // 3 m square, −100 kN, weights 187.56 kN: p = 87.56/9 everywhere. Top d = 0.5 − 0.05 − 0.016; within 0.834² the weights 21 kPa less
        // the column's soil 1.44 kN.
        var r = Check(OneAction(new SupportAction(-100, 0, 0, 0, 0, 0)), Design(3, 3, 0.5, "15 T16", "15 T16", "15 T16", "15 T16"))
            .Of("two-way-shear");
        const double d = 0.434, side = 0.834, p = (187.56 - 100) / 9;
        var q = (p * side * side) - ((21 * side * side) - 1.44);
        r.Outcome.Face.Should().Be(Face.Top);
        r.Outcome.Demand.Should().BeApproximately((100 + q) / (4 * side * d), 1e-6);
        r.Outcome.Capacity.Should().BeApproximately(0.75 * 0.33 * Math.Sqrt(30) * 1000, 1e-6);
    }

    [Fact]
    public void A_section_of_two_sides_has_the_J_of_its_faces()
    {
        // Flush with both edges: b = 0.4 + d/2 both ways, centroid at 3/4·b from the corner; by faces about it: the one along the span, the
        // one across it.
        var project = OneAction(new SupportAction(250, 0, 0, 0, 0, 0), Weightless, Column(),
            new HeldValues { EdgeX0 = new HeldEdge(true, 0), EdgeY0 = new HeldEdge(true, 0) });
        var found = new Checker(project, project.Foundations[0]).Trace(Design(1.2, 1.2, 0.5), "two-way-shear", null, null)!.Value;
        double Value(string symbol) => found.Steps.Last(x => x.Symbol == symbol).Value;
        const double b = 0.61, d = 0.42;
        found.Result.Note.Should().Be("section open to the −x and −y edges");
        Value("bo").Should().BeApproximately(2 * b, 1e-12);
        var j = (d * b * b * b / 12) + (b * d * d * d / 12) + (d * b * (b / 4) * (b / 4)) + (d * b * (b / 4) * (b / 4));
        Value("Jx").Should().BeApproximately(j, 1e-12);
        Value("Jy").Should().BeApproximately(j, 1e-12);
    }
}
