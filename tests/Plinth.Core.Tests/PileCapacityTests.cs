using CsCheck;
using Plinth.Core.Ground;
using Plinth.Core.Piles;

namespace Plinth.Core.Tests;

/// <summary>What a pile may carry by the layers in which it stands.</summary>
public class PileCapacityTests
{
    private static readonly PileRules Pile = new() { Size = 0.45 };

    private static readonly GroundLayer Made = new("made ground", 2, null, 0.3, null);
    private static readonly GroundLayer Clay = new("soft clay", 6, null, 0.3, null) { Undrained = 40, AdhesionFactor = 0.5 };
    private static readonly GroundLayer Sand = new("sand", double.PositiveInfinity, null, 0.3, null)
    {
        ShaftFactor = 0.3,
        ShaftLimit = 40,
        Base = 3000
    };

    private static GroundRules Ground(params GroundLayer[] layers) =>
        new("", 0, 1.6, null, 200, BearingBasis.Gross, BearingMethod.Corner, 1, 18, 0.4, 0, 0, 0) { Layers = layers, WaterDepth = 3 };

    // Underside 1.6 m down, pile 14 m long of which 75 mm stand in the cap: the sand's friction reaches its limit of 40 kPa at 11.11 m.
    // Integrated in 200,000 slices.
    [Fact]
    public void Shaft_in_clay_and_sand_and_base_in_sand()
    {
        var c = PileCapacity.Of(Pile, Ground(Made, Clay, Sand), 1.6, 15.525, 24)!;
        c.Friction.Should().BeApproximately(578.41, 0.01);
        c.BaseForce.Should().BeApproximately(477.13, 0.01);
        c.Compression.Should().BeApproximately(422.22, 0.01);
        c.Weight.Should().BeApproximately(33.611, 0.001);
        c.Tension.Should().BeApproximately(195.57, 0.01);
        c.Shaft.Select(s => (s.From, s.To)).Should().Equal((1.6, 2.0), (2.0, 8.0), (8.0, 15.525));
        c.Shaft[0].Friction.Should().Be(0);
        c.Shaft[1].Friction.Should().BeApproximately(20, 1e-9);
    }

    // Toe in the clay: 5.525 m of 20 kPa on 1.4137 m, and 9·40 kPa on 0.15904 m2.
    [Fact]
    public void Base_in_clay_is_nine_times_its_strength()
    {
        var c = PileCapacity.Of(Pile, Ground(Made, Clay, Sand), 1.6, 7.525, 24)!;
        c.Friction.Should().BeApproximately(156.22, 0.01);
        c.BaseForce.Should().BeApproximately(57.256, 0.001);
        c.Compression.Should().BeApproximately(85.388, 0.001);
    }

    [Fact]
    public void A_square_pile_has_its_own_perimeter_and_base_and_steel_has_no_weight()
    {
        var c =
            PileCapacity.Of(Pile with { Shape = PileShape.Square, Size = 0.4, Made = PileMaking.SteelTube, Safety = 2, TensionShare = 0.5 },
                Ground(Made, Clay, Sand), 1.6, 7.525, 24)!;
        c.Friction.Should().BeApproximately(1.6 * 20 * 5.525, 1e-9);
        c.BaseForce.Should().BeApproximately(0.16 * 360, 1e-9);
        c.Compression.Should().BeApproximately((176.8 + 57.6) / 2, 1e-9);
        c.Tension.Should().BeApproximately(0.5 * 176.8 / 2, 1e-9);
    }

    [Fact]
    public void Below_the_stated_layers_nothing_is_known_and_at_a_boundary_the_layer_below_bears()
    {
        PileCapacity.Of(Pile, Ground(Made, Clay), 1.6, 8.1, 24).Should().BeNull();
        PileCapacity.Of(Pile, Ground(Made, Clay, Sand), 1.6, 8.0, 24)!.Under.Should().Be(Sand);
        PileCapacity.Of(Pile, Ground(Made, Clay, Made with { Thickness = double.PositiveInfinity }), 1.6, 9, 24)!.BaseForce.Should().Be(0);
    }

    // Against the integral in slices, over random layers, water and piles; longer in one layer never carries less along the shaft.
    [Fact]
    public void Friction_is_the_integral_of_what_each_layer_gives()
    {
        Gen.Select(Gen.Double[0, 12], Gen.Double[0.5, 3], Gen.Double[3, 25], Gen.Double[0.1, 0.6], Gen.Double[5, 120], Gen.Double[10, 100],
            Gen.Double[0, 1]).Sample((water, head, length, beta, limit, su, alpha) =>
        {
            var layers = new[] { Sand with { Thickness = 4, ShaftFactor = beta, ShaftLimit = limit },
                Clay with { Undrained = su, AdhesionFactor = alpha }, Sand with { ShaftFactor = beta, ShaftLimit = null } };
            var ground = Ground(layers) with { WaterDepth = water };
            var toe = head + length;
            var c = PileCapacity.Of(Pile, ground, head, toe, 24)!;
            const int slices = 2000;
            var sum = 0.0;

            // Layer by layer: at their boundaries the friction jumps.
            double[] bounds = [head, .. new[] { 4.0, 10 }.Where(b => b > head && b < toe), toe];
            for (var layer = 1; layer < bounds.Length; layer++)
            {
                var step = (bounds[layer] - bounds[layer - 1]) / slices;
                for (var i = 0; i < slices; i++)
                {
                    var z = bounds[layer - 1] + ((i + 0.5) * step);
                    var stress = (18 * Math.Min(z, water)) + (10.19 * Math.Max(0, z - water));
                    sum += step * (z < 4 ? Math.Min(limit, beta * stress) : z < 10 ? alpha * su : beta * stress);
                }
            }

            c.Friction.Should().BeApproximately(sum * Math.PI * 0.45, 1e-3 + (1e-5 * sum));
            PileCapacity.Of(Pile, ground, head, toe + 0.5, 24)!.Friction.Should().BeGreaterThanOrEqualTo(c.Friction);
        });
    }
}
