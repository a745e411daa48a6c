using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Bodies;

/// <summary>
/// What a wall adds to its base: its own weight where its height is stated, and the soil behind it, which stands higher on the heel and
/// pushes on the upright plane through the heel's edge, down to the underside.
/// </summary>
/// <remarks>All of one size, on the whole length of the base. y from the body's centroid; forces in kN, moments in kNm.</remarks>
internal sealed class Backing
{
    private const int States = 3;

    private readonly GroundBody body;
    private readonly WallRules rules;
    private readonly Standing wall;
    private readonly (double Weight, double Turns)[] weights = new (double, double)[States];
    private readonly (double Heel, double Toe)[] over = new (double, double)[States];
    private readonly double[] head = new double[States];
    private readonly SupportAction[] earth = new SupportAction[States];
    private readonly SupportAction[] water = new SupportAction[States];
    private readonly SupportAction[] lateral = new SupportAction[States];
    private SupportAction standing;

    public Backing(GroundBody body, WallRules rules, Standing wall)
    {
        (this.body, this.rules, this.wall) = (body, rules, wall);
        Pressure = rules.Retained is { } soil ? new RetainedPressure(soil, body.Ground) : null;
    }

    /// <summary>Pressures of the soil behind the wall; null: it holds none back.</summary>
    public RetainedPressure? Pressure { get; }

    /// <summary>The soil; null: none.</summary>
    public RetainedSoil? Soil => rules.Retained;

    /// <summary>Weight of the wall over its base, kN; 0 where its height is not stated.</summary>
    public double StemWeight { get; private set; }

    /// <summary>Length of the base behind the wall, under the soil that it holds back, m.</summary>
    public double Heel { get; private set; }

    /// <summary>Length of the base before it, m.</summary>
    public double Toe { get; private set; }

    /// <summary>Finds all of it for the size that the body has.</summary>
    public void Lay()
    {
        var (half, length) = (body.Width / 2, body.Length);
        StemWeight = rules.Stem is { Height: { } high } stem
            ? (stem.Weight ?? body.Rules.Concrete.Weight) * high * wall.Support.SizeX * wall.Support.SizeY
            : 0;
        for (var w = 0; w < States; w++)
        {
            (weights[w], over[w], head[w]) = ((StemWeight, StemWeight * wall.Y), default, 0);
        }

        if (Soil is not { } soil || Pressure is not { } pressure)
        {
            return;
        }

        var face = wall.Support.SizeY / 2;
        (Heel, Toe) = (half - (soil.Side * wall.Y) - face, half + (soil.Side * wall.Y) - face);
        var (deep, heelAt, toeAt) = (soil.Height + body.Thickness, soil.Side * (half - (Heel / 2)), -soil.Side * (half - (Toe / 2)));
        for (var w = 0; w < States; w++)
        {
            var wet = (WaterState)w == WaterState.High;
            var behind = pressure.Column(wet);
            over[w] = (behind.Weight(0, soil.Height) - body.SoilOver(w), Front(soil, w) - body.SoilOver(w));
            var (onHeel, onToe) = (over[w].Heel * Heel * length, over[w].Toe * Toe * length);
            weights[w] = (StemWeight + onHeel + onToe, (StemWeight * wall.Y) + (onHeel * heelAt) + (onToe * toeAt));
            head[w] = behind.WaterPressure(deep) - body.WaterPressure(w);
            earth[w] = Push(RetainedLoad.Earth, wet, deep);
            water[w] = Push(RetainedLoad.Water, wet, deep);
            lateral[w] = Push(RetainedLoad.Surcharge, wet, deep);
        }

        var stands = soil.Surcharge * Heel * length;
        standing = new SupportAction(stands, 0, 0, -stands * heelAt, 0, 0);
    }

    // Away from the soil, as it acts at the underside.
    private SupportAction Push(RetainedLoad load, bool wet, double deep)
    {
        var soil = Soil!;
        var t = Pressure!.Above(load, wet, deep);
        var (force, turns) = (t.Force * body.Length, t.Moment * body.Length);
        if (rules.Stem is { Propped: true, Height: { } high })
        {
            var prop = Pressure.Prop(load, wet, high) * wall.Support.SizeX;
            (force, turns) = (force - prop, turns - (prop * (high + body.Thickness)));
        }

        return new SupportAction(0, 0, -soil.Side * force, soil.Side * turns, 0, 0);
    }

    // Soil on the toe, of a stated height or up to the finished ground, kPa.
    private double Front(RetainedSoil soil, int w)
    {
        if (soil.Other is not { } high)
        {
            return body.SoilOver(w);
        }

        var (column, depth) = (body.Ground.Column((WaterState)w), body.SoilDepth);
        return high <= depth ? column.Weight(depth - high, depth) : column.Weight(0, depth) + (column.Moist * (high - depth));
    }

    /// <summary>Whether anything of it weighs or pushes.</summary>
    public bool Any => StemWeight > 0 || Soil is not null;

    /// <summary>Weight of wall and soil beyond what lies over the base anyhow, with factor one, kN.</summary>
    public double Weight(int k) => weights[(int)body.Place.Waters[k]].Weight;

    /// <summary>Its moment ∫y about the centroid, kNm.</summary>
    public double WeightTurns(int k) => weights[(int)body.Place.Waters[k]].Turns;

    /// <summary>Soil on heel and toe beyond what lies over the base anyhow, with factor one, kPa.</summary>
    public (double Heel, double Toe) Over(int k) => over[(int)body.Place.Waters[k]];

    /// <summary>By how much the water stands higher under the heel's edge than under the toe's, as pressure, kPa.</summary>
    public double Head(int k) => head[(int)body.Place.Waters[k]];

    /// <summary>What the water pushes up by that, growing from the toe's edge to the heel's, kN.</summary>
    public double Lift(int k) => Head(k) * body.Area / 2;

    /// <summary>Its moment ∫y about the centroid, kNm.</summary>
    public double LiftTurns(int k) => Soil is { } soil ? Lift(k) * soil.Side * body.Width / 6 : 0;

    /// <summary>
    /// What a case does at the centroid of the underside, with the soil's strength as the combination has it and factor one.
    /// </summary>
    /// <param name="name">The case's name.</param>
    /// <param name="k">The combination, for its water.</param>
    /// <param name="stands">Whether what stands on the soil presses on the heel.</param>
    public SupportAction Case(string name, int k, bool stands)
    {
        var w = (int)body.Place.Waters[k];
        return Soil is null ? default : name switch
        {
            LoadCase.EarthName => body.Place.BehindFactors[k].Strength * earth[w],
            LoadCase.WaterName => water[w],
            LoadCase.BehindName => body.Place.BehindFactors[k].Strength * lateral[w] is var pushes && stands && !body.Place.OffHeel[k]
                ? pushes + standing : pushes,
            _ => default,
        };
    }

    /// <summary>What all cases do in a combination.</summary>
    public SupportAction Sum(int k, bool stands)
    {
        if (Soil is null)
        {
            return default;
        }

        var f = body.Place.BehindFactors[k];
        var w = (int)body.Place.Waters[k];
        var sum = (f.EarthThrust * earth[w]) + (f.Water * water[w]) + (f.SurchargeThrust * lateral[w]);
        return stands && !body.Place.OffHeel[k] ? sum + (f.Surcharge * standing) : sum;
    }

    /// <summary>Whether what stands on the soil presses on the heel in a combination.</summary>
    public bool Stands(int k) => Standing(k) != 0;

    /// <summary>What stands on the heel in a combination, factored, kPa; none where it stands behind the heel alone.</summary>
    public double Standing(int k) =>
        Soil is { } soil && !body.Place.OffHeel[k] ? body.Place.BehindFactors[k].Surcharge * soil.Surcharge : 0;
}
