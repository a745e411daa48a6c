using Plinth.Core.Ground;

namespace Plinth.Core.Piles;

/// <summary>What the ground holds of a pile along a stretch of its shaft.</summary>
/// <param name="Layer">The layer.</param>
/// <param name="From">Depth at which the stretch begins, m below the ground.</param>
/// <param name="To">Depth at which it ends, m.</param>
/// <param name="Friction">Mean unit friction along it, kPa.</param>
public readonly record struct ShaftStretch(GroundLayer Layer, double From, double To, double Friction);

/// <summary>
/// What one pile may carry, found from the layers in which it stands: α·su along the shaft and 9·su at the base in clay, β·σ'v to a stated
/// limit along the shaft and a stated
/// base pressure in sand. Effective stresses by the highest water. M. J. Tomlinson and J. Woodward, Pile Design and Construction Practice,
/// chapter 4.
/// </summary>
public sealed record PileCapacity
{
    /// <summary>Base pressure of a pile in clay, times its undrained strength.</summary>
    public const double BaseInClay = 9;

    // Resistances count weights that help by the factor of permanent loads that help.
    private const double HelpingWeight = 0.9;

    /// <summary>Stretches of the shaft, from the head downwards.</summary>
    public required IReadOnlyList<ShaftStretch> Shaft { get; init; }

    /// <summary>The layer under the base.</summary>
    public required GroundLayer Under { get; init; }

    /// <summary>Pressure at the base when it gives way, kPa.</summary>
    public required double Base { get; init; }

    /// <summary>Friction of the whole shaft, kN.</summary>
    public required double Friction { get; init; }

    /// <summary>Force of the base, kN.</summary>
    public required double BaseForce { get; init; }

    /// <summary>Weight of the shaft that counts against a pull, less the water it displaces, kN; 0 of piles of steel or timber.</summary>
    public required double Weight { get; init; }

    /// <summary>What it may carry in compression, kN.</summary>
    public required double Compression { get; init; }

    /// <summary>What it may carry in tension, kN.</summary>
    public required double Tension { get; init; }

    /// <summary>Finds it; null: the pile reaches below the layers that are stated.</summary>
    /// <param name="rules">The pile.</param>
    /// <param name="ground">The ground with its layers.</param>
    /// <param name="head">Depth of the cap's underside below the ground, from which the shaft counts, m.</param>
    /// <param name="toe">Depth of the toe, m; below the head.</param>
    /// <param name="unitWeight">Of the shaft's concrete, kN/m3.</param>
    public static PileCapacity? Of(PileRules rules, GroundRules ground, double head, double toe, double unitWeight)
    {
        ArgumentNullException.ThrowIfNull(rules);
        ArgumentNullException.ThrowIfNull(ground);
        var column = ground.Column(WaterState.High);
        var perimeter = rules.Perimeter;
        var shaft = new List<ShaftStretch>();
        var (top, friction) = (0.0, 0.0);
        GroundLayer? under = null;
        foreach (var layer in ground.Layers)
        {
            var bottom = top + layer.Thickness;
            var (from, to) = (Math.Max(head, top), Math.Min(toe, bottom));
            if (to > from)
            {
                var held = Held(layer, column, from, to);
                friction += perimeter * held;
                shaft.Add(new ShaftStretch(layer, from, to, held / (to - from)));
            }

            // A toe at the boundary stands on the layer below.
            under = toe >= top - 1e-9 && toe < bottom - 1e-9 ? layer : under;
            top = bottom;
        }

        if (under is null)
        {
            return null;
        }

        var pressure = under.Undrained is { } su ? BaseInClay * su : under.Base ?? 0;
        var wet = Math.Max(0, toe - Math.Max(head, Math.Max(0, column.Water)));
        var weight = rules.IsConcrete
            ? rules.Area * ((unitWeight * (toe - head)) - (column.IsWet ? column.WaterWeight * wet : 0)) * (rules.OfStrength
                ? HelpingWeight
                : 1)
            : 0;
        return new PileCapacity
        {
            Shaft = shaft,
            Under = under,
            Base = pressure,
            Friction = friction,
            BaseForce = pressure * rules.Area,
            Weight = weight,
            Compression = (friction + (pressure * rules.Area)) / rules.Safety,
            Tension = (friction * rules.TensionShare / rules.Safety) + weight,
        };
    }

    // ∫ of the unit friction along a stretch, kN/m: β·σ'v grows straight between the water's level and the depth at which it reaches its
    // limit.
    private static double Held(GroundLayer layer, in GroundColumn column, double from, double to)
    {
        if (layer.Undrained is { } su)
        {
            return (layer.AdhesionFactor ?? 0) * su * (to - from);
        }

        if (layer.ShaftFactor is not { } beta)
        {
            return 0;
        }

        var turn = Math.Clamp(column.Water, from, to);
        return Straight(beta, layer.ShaftLimit, column, from, turn) + Straight(beta, layer.ShaftLimit, column, turn, to);
    }

    private static double Straight(double beta, double? limit, in GroundColumn column, double from, double to)
    {
        var (a, b) = (beta * column.EffectiveStress(from), beta * column.EffectiveStress(to));
        var most = limit ?? double.PositiveInfinity;
        if (a >= most)
        {
            return most * (to - from);
        }

        if (b <= most)
        {
            return (a + b) / 2 * (to - from);
        }

        var reached = (most - a) / (b - a) * (to - from);
        return ((a + most) / 2 * reached) + (most * (to - from - reached));
    }
}
