using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Numerics;

namespace Plinth.Core.Kinds.Wall;

/// <summary>Which walls are designed with their footings.</summary>
internal static class Stems
{
    /// <summary>Whether a foundation's wall is: of concrete, its height stated.</summary>
    public static bool Designed(Foundation f) => f.Wall.Stem is { Masonry: false, Height: not null };
}

/// <summary>What acts on a metre of wall at a level.</summary>
/// <param name="Height">Over the top of the base, m.</param>
/// <param name="End">−1: at its end at −x; +1: at +x.</param>
/// <param name="Force">Downwards, kN/m.</param>
/// <param name="Moment">Stretches the face towards the soil, or +y, kNm/m.</param>
/// <param name="Shear">Away from the soil, or towards −y, kN/m.</param>
internal readonly record struct StemForces(double Height, int End, double Force, double Moment, double Shear);

/// <summary>
/// A wall on its footing: a cantilever from the base, or held at its top too. What the analysis brings acts along it linearly,
/// n = N/ℓ ± 6·My/ℓ² at its ends, and across it evenly, m = Mx/ℓ; soil behind it presses on it down to the top of the base.
/// </summary>
internal sealed class WallStem : Subject
{
    private readonly Standing wall;
    private readonly StemRules rules;
    private readonly Backing backing;
    private readonly ConcreteRules concrete;

    public WallStem(WallTrial trial)
        : base(trial, 0, null)
    {
        (wall, rules, backing) = (trial.Columns[0], trial.Foundation.Wall.Stem!, trial.Body.Backing!);
        concrete = Rules.Concrete with { Strength = rules.Strength ?? Rules.Concrete.Strength };
    }

    /// <summary>What is stated of it.</summary>
    public StemRules Stated => rules;

    /// <summary>The soil that it holds back; null: none.</summary>
    public RetainedSoil? Soil => backing.Soil;

    /// <summary>Its concrete.</summary>
    public ConcreteRules Concrete => concrete;

    /// <summary>Its bars.</summary>
    public StemBars Bars { get; private set; } = StemBars.None;

    /// <summary>Thickness, m.</summary>
    public double Thickness => wall.Support.SizeY;

    /// <summary>Length, m.</summary>
    public double Length => wall.Support.SizeX;

    /// <summary>Height over the base, m; 0 where it is not stated.</summary>
    public double Height => rules.Height ?? 0;

    /// <summary>Height above which its top is held, m; 0: it is not.</summary>
    public bool IsHeld => rules.Propped;

    /// <summary>Cover to the upright bars, m.</summary>
    public double Cover => rules.Cover ?? Rules.Concrete.CoverSide;

    /// <summary>Sets its bars.</summary>
    public void Set(StemBars bars) => Bars = bars;

    /// <summary>Effective depth of the upright bars at a face, m.</summary>
    public double Depth(BarSpec bars) => rules.Layers == 1 ? Thickness / 2 : Thickness - Cover - ((bars.Size?.Diameter ?? 0) / 2);

    /// <summary>Area of bars on a metre, m2/m.</summary>
    public static double PerMetre(BarSpec bars) => bars is { Size: { } size, Spacing: > 0 } ? size.Area / bars.Spacing : 0;

    /// <summary>Upright bars of both faces, or of the one layer, m2/m.</summary>
    public double Upright => PerMetre(Bars.Soil) + PerMetre(Bars.Free);

    /// <summary>Level bars of all layers, m2/m.</summary>
    public double Level => PerMetre(Bars.Level) * rules.Layers;

    /// <summary>A metre of it as a section under force and moment, the face towards the soil at +y.</summary>
    public ColumnSection Section()
    {
        List<SectionBar> bars = [];
        void Add(BarSpec spec, double at)
        {
            if (PerMetre(spec) is > 0 and var area)
            {
                bars.Add(new SectionBar(0, at, area));
            }
        }

        Add(Bars.Soil, rules.Layers == 1 ? 0 : (Thickness / 2) - Cover - ((Bars.Soil.Size?.Diameter ?? 0) / 2));
        Add(Bars.Free, -((Thickness / 2) - Cover - ((Bars.Free.Size?.Diameter ?? 0) / 2)));
        return Code.Section(1, Thickness, false, bars, concrete.Strength, Rules.Steel.Yield);
    }

    /// <summary>Which way its moments turn: +1 where the soil stands on the +y side, or none does.</summary>
    private int Side => Soil?.Side ?? 1;

    /// <summary>What acts where it meets the base.</summary>
    public StemForces AtBase(int k, int end)
    {
        ref readonly var a = ref wall.Action(k);
        var arm = wall.Arm - wall.Body.Thickness;
        var (thrust, prop) = Pushed(k, 0);
        return new StemForces(0, end, Along(k, end, Height), (Side * (a.Mx - (arm * a.Fy)) / Length) + thrust.Moment - (prop * Height),
            (-Side * a.Fy / Length) + thrust.Force - prop);
    }

    /// <summary>
    /// What acts where a wall that is held at its top bends most between base and top, by the soil alone; null: it is free, or nothing
    /// presses.
    /// </summary>
    public StemForces? AtPeak(int k, int end)
    {
        if (!IsHeld || Soil is not { } soil || Pushed(k, 0).Prop <= 0)
        {
            return null;
        }

        // Above the soil the shear is the prop's alone, so that it changes its sign within it.
        var shear = new ShearAt(this, k);
        var at = Root.Between(ref shear, 0, soil.Height);
        var (t, p) = Pushed(k, at);
        return new StemForces(at, end, Along(k, end, Height - at), t.Moment - (p * (Height - at)), 0);
    }

    private readonly struct ShearAt(WallStem stem, int k) : IFunction
    {
        public double At(double height)
        {
            var (thrust, prop) = stem.Pushed(k, height);
            return thrust.Force - prop;
        }
    }

    // Force on a metre at an end, with the wall's own weight above.
    private double Along(int k, int end, double above)
    {
        ref readonly var a = ref wall.Action(k);
        var arm = wall.Arm - wall.Body.Thickness;
        var turns = a.My + (arm * a.Fx);
        return (a.N / Length) + (6 * end * turns / (Length * Length))
            + (Combinations[k].WeightFactor * (rules.Weight ?? Rules.Concrete.Weight) * above * Thickness);
    }

    /// <summary>Factored thrust of the soil above a level with its moment about it, and what the prop takes.</summary>
    public (Thrust Thrust, double Prop) Pushed(int k, double height)
    {
        if (backing.Pressure is not { } pressure || Soil is not { } soil)
        {
            return default;
        }

        var f = Place.BehindFactors[k];
        var wet = Place.Waters[k] == WaterState.High;
        var (force, moment, prop) = (0.0, 0.0, 0.0);
        foreach (var (load, factor) in (ReadOnlySpan<(RetainedLoad, double)>)[(RetainedLoad.Earth, f.EarthThrust),
            (RetainedLoad.Water, f.Water), (RetainedLoad.Surcharge, f.SurchargeThrust)])
        {
            if (factor == 0)
            {
                continue;
            }

            var t = pressure.Above(load, wet, soil.Height - height);
            (force, moment) = (force + (factor * t.Force), moment + (factor * t.Moment));
            prop += IsHeld ? factor * pressure.Prop(load, wet, Height) : 0;
        }

        return (new Thrust(force, moment), prop);
    }
}
