using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Grids;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Foundations;

/// <summary>
/// A support with its actions in the own axes of the base that carries it: of every case, and summed in every combination.
/// </summary>
/// <param name="Support">The support.</param>
/// <param name="At">Where it stands from the place's origin, in the base's own axes, m.</param>
/// <param name="Outline">The column as the sections see it.</param>
/// <param name="CaseActions">Action of each case.</param>
/// <param name="Sums">Action in each combination, without the surcharge.</param>
public sealed record LoadedSupport(Support Support, PlanPoint At, ColumnOutline Outline, SupportAction[] CaseActions, SupportAction[] Sums)
{
    /// <summary>
    /// All that the column brings in each case, of which a base that shares it with another carries <see cref="CaseActions"/>.
    /// </summary>
    public SupportAction[] BroughtCases { get; init; } = CaseActions;

    /// <summary>The same in each combination, beside <see cref="Sums"/>.</summary>
    public SupportAction[] Brought { get; init; } = Sums;

    /// <summary>Whether its base shares it with another.</summary>
    public bool IsShared => !ReferenceEquals(Brought, Sums);

    /// <summary>The same with all actions multiplied.</summary>
    public LoadedSupport Times(double factor)
    {
        SupportAction[] All(SupportAction[] of) => [.. of.Select(a => factor * a)];
        var (cases, sums) = (All(CaseActions), All(Sums));
        return this with
        {
            CaseActions = cases,
            Sums = sums,
            BroughtCases = IsShared ? All(BroughtCases) : cases,
            Brought = IsShared ? All(Brought) : sums,
        };
    }
}

/// <summary>Factors of what soil behind a wall does in a combination.</summary>
/// <param name="Earth">Of its pressure.</param>
/// <param name="Water">Of the pressure of the water in it.</param>
/// <param name="Surcharge">Of what stands on it.</param>
/// <param name="Strength">By what its coefficient of pressure is more, its strength divided by a partial factor.</param>
public readonly record struct BehindWall(double Earth, double Water, double Surcharge, double Strength)
{
    /// <summary>Of the thrust of the soil by its characteristic coefficient.</summary>
    public double EarthThrust => Earth * Strength;

    /// <summary>Of the thrust of what stands on it by that coefficient.</summary>
    public double SurchargeThrust => Surcharge * Strength;

    /// <summary>Those of a combination; nothing of what it does not hold.</summary>
    /// <param name="combination">The combination.</param>
    /// <param name="cases">All cases.</param>
    /// <param name="soil">The soil; null: there is none.</param>
    /// <param name="design">Design of the ground by limit states; null: by allowable values.</param>
    public static BehindWall Of(Combination combination, IReadOnlyList<LoadCase> cases, RetainedSoil? soil, Ground.LimitStateDesign? design)
    {
        ArgumentNullException.ThrowIfNull(combination);
        ArgumentNullException.ThrowIfNull(cases);
        double Of(string name)
        {
            var sum = 0.0;
            foreach (var t in combination.Terms)
            {
                sum += cases[t.Case].IsBehindWall && cases[t.Case].Name == name ? t.Factor : 0;
            }

            return sum;
        }

        var strength = soil is null || design is null ? 1
            : soil.CoefficientOf(Ground.LimitStateDesign.DesignAngle(soil.FrictionAngle, design.Behind(combination.State)))
                / soil.Coefficient;
        return new BehindWall(Of(LoadCase.EarthName), Of(LoadCase.WaterName), Of(LoadCase.BehindName), strength);
    }

    /// <summary>The factor of a case by its name; 0 of any other.</summary>
    public double Of(string name) => name switch
    {
        LoadCase.EarthName => Earth,
        LoadCase.WaterName => Water,
        LoadCase.BehindName => Surcharge,
        _ => 0,
    };
}

/// <summary>A place with the actions of its supports in the base's own axes. Made once, read by every trial size.</summary>
public sealed class LoadedPlace
{
    /// <summary>Sums the actions of a place.</summary>
    public LoadedPlace(Project project, Foundation foundation, Place place)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        Place = place;
        var (cases, set) = PartialLive.Of(project, foundation, place);
        Row = foundation.Row;
        Cases = Row is null ? [.. cases] : [.. cases, LoadCase.Crossing];
        SurchargeCase = -1;
        for (var i = 0; i < Cases.Length; i++)
        {
            if (Cases[i].IsSurcharge)
            {
                SurchargeCase = i;
            }
        }

        (Set, Waters, Bare, OffHeel) = States(set, foundation.Wall.Retained);
        Repeats = [.. Set.Used.Select((c, k) => k > 0 && ReferenceEquals(c, Set.Used[k - 1]))];
        var used = Set.Used;
        Supports = [.. place.Supports.Select((s, i) => Loaded(s, i, PartialLive.Actions(project, foundation, place, s)))];
        (Beside, Loads) = (foundation.Loads.Count, Row is null ? foundation.Loads : [.. foundation.Loads, .. Crossed()]);
        LoadTerms = Loads.Count == 0 ? []
            : [.. used.Select((c, k) => Loads.Select((l, i) => i >= Beside ? new Term(l.Case, NetWeight(k))
                : c.Terms.FirstOrDefault(t => t.Case == l.Case, new Term(l.Case, 0))).ToArray())];
        Sums = Summed();
        SurchargeFactors = new double[used.Length];
        for (var k = 0; k < used.Length; k++)
        {
            SurchargeFactors[k] = Bare[k] ? 0 : FactorOfSurcharge(used[k]);
        }

        BehindFactors = foundation.Wall.Retained is not { } soil ? []
            : [.. used.Select(c => BehindWall.Of(c, Cases, soil, place.Ground.Design))];
    }

    // The same place with all its actions multiplied.
    private LoadedPlace(LoadedPlace other, double factor)
    {
        (Place, Cases, Set, Waters, Repeats) = (other.Place, other.Cases, other.Set, other.Waters, other.Repeats);
        Row = other.Row;
        (Bare, OffHeel) = (other.Bare, other.OffHeel);
        Supports = [.. other.Supports.Select(s => s.Times(factor))];
        Sums = Summed();
        Beside = other.Beside;
        Loads = Beside == 0 ? other.Loads : [.. other.Loads.Select((l, i) => i < Beside ? l with { Value = factor * l.Value } : l)];
        (LoadTerms, SurchargeFactors, SurchargeCase) = (other.LoadTerms, other.SurchargeFactors, other.SurchargeCase);
        BehindFactors = other.BehindFactors;
    }

    // What both rows of a crossing weigh counts once: half of what this one does over it is taken off, by the row's whole breadth.
    private IEnumerable<PlanLoad> Crossed()
    {
        foreach (var crossing in Row!.Crossings)
        {
            if (Row.ShareOf(crossing) is { } share && share.Area > 0)
            {
                var x = Supports[crossing.Column].At.X;
                yield return new PlanLoad(Cases.Length - 1, PlanLoadShape.Rectangle, -Row.Shares!.Weights[0] * (1 - share.Kept),
                    x - share.Low, -share.Breadth / 2, x + share.High, share.Breadth / 2);
            }
        }
    }

    // Of the weight of a unit of area as much as a combination has of it: factored, less the push of the water.
    private double NetWeight(int k)
    {
        var (shares, water) = (Row!.Shares!, Waters[k]);
        return ((Set.Used[k].WeightFactor * shares.Weights[(int)water]) - Place.Ground.Column(water).WaterPressure(shares.Depth))
            / shares.Weights[0];
    }

    private LoadedSupport Loaded(Support support, int column, SupportAction[] actions)
    {
        var own = new SupportAction[Row is null ? actions.Length : actions.Length + 1];
        for (var i = 0; i < actions.Length; i++)
        {
            own[i] = actions[i].InAxesTurnedBy(Place.AngleDegrees);
        }

        var used = Set.Used;
        var sums = new SupportAction[used.Length];
        for (var k = 0; k < sums.Length; k++)
        {
            var sum = default(SupportAction);
            foreach (var term in used[k].Terms)
            {
                if (term.Case != SurchargeCase)
                {
                    sum += term.Factor * own[term.Case];
                }
            }

            sums[k] = sum;
        }

        var (sin, cos) = SupportAction.SinCosDegrees(Place.AngleDegrees);
        var origin = Place.Origin;
        var (x, y) = (support.X - origin.X, support.Y - origin.Y);
        var loaded = new LoadedSupport(support, new PlanPoint((x * cos) + (y * sin), (y * cos) - (x * sin)),
            ColumnOutline.Of(support, Place.AngleDegrees), own, sums);
        return Row?.At(column) is { } crossing ? Shared(loaded, crossing) : loaded;
    }

    // What this row carries of a column at which it crosses another.
    private LoadedSupport Shared(LoadedSupport whole, GridCrossing crossing)
    {
        var (share, forces) = Row!.ShareOf(crossing) is { } known ? (known.Share, known.Forces) : (crossing.Guess, []);
        return whole with
        {
            CaseActions = [.. whole.CaseActions.Select(a => crossing.Carried(a, share))],
            Sums = [.. whole.Sums.Select((a, k) => forces.Count == 0 ? crossing.Carried(a, share) : crossing.Carrying(a, forces[k]))],
            BroughtCases = whole.CaseActions,
            Brought = whole.Sums,
        };
    }

    // Of one support it is its own.
    private SupportAction[] Summed()
    {
        if (Supports.Length == 1)
        {
            return Supports[0].Sums;
        }

        var sums = new SupportAction[Set.Used.Length];
        foreach (var s in Supports)
        {
            for (var k = 0; k < sums.Length; k++)
            {
                sums[k] += s.Sums[k];
            }
        }

        return sums;
    }

    /// <summary>
    /// The same place with the actions of its supports and the loads beside the columns multiplied; weights, water and surcharge stay.
    /// </summary>
    public LoadedPlace Times(double factor) => new(this, factor);

    /// <summary>Its supports with their actions, in order.</summary>
    public ImmutableArray<LoadedSupport> Supports { get; }

    /// <summary>The row of a grid that stands there; null: it shares no column.</summary>
    public GridRow? Row { get; }

    /// <summary>The place.</summary>
    public Place Place { get; }

    /// <summary>
    /// The combinations of the foundation: where water may stand above the underside, each once with the highest and once with
    /// the lowest; where they hold a surcharge, once with it and once without, behind a wall once on the heel and once off it.
    /// </summary>
    public CombinationSet Set { get; }

    /// <summary>The water in each combination of the set.</summary>
    public ImmutableArray<WaterState> Waters { get; }

    /// <summary>Whether the surcharge on the ground over the base is absent though the combination has it: it need not be there.</summary>
    public ImmutableArray<bool> Bare { get; }

    /// <summary>Whether what stands on retained soil stands behind the heel alone: it pushes as much and holds nothing down.</summary>
    public ImmutableArray<bool> OffHeel { get; }

    /// <summary>Whether it is the combination before it in another state: what knows no water and no surcharge looks at it once.</summary>
    public ImmutableArray<bool> Repeats { get; }

    /// <summary>The project's cases, and after them those of live load on single columns where it is looked at.</summary>
    public ImmutableArray<LoadCase> Cases { get; }

    /// <summary>Actions of all supports together in each combination, each where it acts, without the surcharge.</summary>
    public SupportAction[] Sums { get; }

    /// <summary>Loads on the base beside the column; after them what a row of a grid and those that it crosses weigh twice.</summary>
    public IReadOnlyList<PlanLoad> Loads { get; }

    /// <summary>How many of these are loads beside the column.</summary>
    public int Beside { get; }

    /// <summary>Factors of these loads in each combination.</summary>
    public Term[][] LoadTerms { get; }

    /// <summary>Factored force of the loads whose size does not follow the base's, kN.</summary>
    public double LoadForce(int combination)
    {
        var sum = 0.0;
        for (var i = 0; i < Loads.Count; i++)
        {
            sum += Loads[i].Shape == PlanLoadShape.WholeBase ? 0 : LoadTerms[combination][i].Factor * Loads[i].On(default, default).N;
        }

        return sum;
    }

    /// <summary>Factored pressure of the loads over the whole base, kPa.</summary>
    public double LoadPressure(int combination)
    {
        var sum = 0.0;
        for (var i = 0; i < Loads.Count; i++)
        {
            sum += Loads[i].Shape == PlanLoadShape.WholeBase ? LoadTerms[combination][i].Factor * Loads[i].Value : 0;
        }

        return sum;
    }

    // No base is so thick that water this far below its held top could matter.
    private const double ThickestBase = 20;

    private double FactorOfSurcharge(Combination c)
    {
        var found = 0.0;
        foreach (var term in c.Terms)
        {
            found = term.Case == SurchargeCase ? term.Factor : found;
        }

        return found;
    }

    // Each combination with every water that may stand, and with surcharges that stand over the base and that do not: none need be there.
    private (CombinationSet Set, ImmutableArray<WaterState> Waters, ImmutableArray<bool> Bare, ImmutableArray<bool> OffHeel) States(
        CombinationSet set, RetainedSoil? retained)
    {
        var ground = Place.Ground;
        WaterState[] waters = retained is { WaterDepth: not null }
            || ground.WaterAbove(ground.FoundingDepth ?? (ground.TopDepth!.Value + ThickestBase))
                ? [WaterState.High, WaterState.Low]
                : [WaterState.None];
        static bool[] With(bool loaded) => loaded ? [false, true] : [false];
        var all = (from c in set.Used
                   from water in waters
                   from bare in With(ground.Surcharge != 0 && FactorOfSurcharge(c) != 0)
                   from off in With(retained is { Surcharge: > 0 } && BehindWall.Of(c, Cases, null, null).Surcharge != 0)
                   select (c, water, bare, off)).ToArray();
        return (all.Length == set.Used.Length ? set : new CombinationSet(all.Select(a => a.c), set.Dropped),
            [.. all.Select(a => a.water)], [.. all.Select(a => a.bare)], [.. all.Select(a => a.off)]);
    }

    /// <summary>Factors of what soil behind a wall does in each combination; empty where the foundation's wall holds none back.</summary>
    public BehindWall[] BehindFactors { get; }

    /// <summary>Factor of the surcharge in each combination; 0 where it is absent.</summary>
    public double[] SurchargeFactors { get; }

    /// <summary>Index of the surcharge's case; −1 if there is none.</summary>
    public int SurchargeCase { get; }
}
