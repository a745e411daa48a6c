using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Foundations;

/// <summary>A place with its actions in the base's own axes: of every case, and summed in every combination. Made once, read by every trial size.</summary>
public sealed class LoadedPlace
{
    /// <summary>Sums the actions of a place.</summary>
    public LoadedPlace(Project project, Foundation foundation, Place place)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        Place = place;
        Outline = ColumnOutline.Of(place.Support, place.AngleDegrees);
        Cases = [.. project.Cases];
        var actions = project.Actions[place.Support.Label];
        CaseActions = new SupportAction[actions.Length];
        SurchargeCase = -1;
        for (var i = 0; i < actions.Length; i++)
        {
            CaseActions[i] = actions[i].InAxesTurnedBy(place.AngleDegrees);
            if (project.Cases[i].IsSurcharge)
            {
                SurchargeCase = i;
            }
        }

        (Set, Waters) = WithWater(project.CombinationsOf(foundation), place.Ground);
        var used = Set.Used;
        Loads = foundation.Loads;
        LoadTerms = Loads.Count == 0 ? [] : [.. used.Select(c => Loads.Select(l => c.Terms.FirstOrDefault(t => t.Case == l.Case, new Term(l.Case, 0))).ToArray())];
        Sums = new SupportAction[used.Length];
        SurchargeFactors = new double[used.Length];
        for (var k = 0; k < used.Length; k++)
        {
            var sum = default(SupportAction);
            foreach (var term in used[k].Terms)
            {
                if (term.Case == SurchargeCase)
                {
                    SurchargeFactors[k] = term.Factor;
                }
                else
                {
                    sum += term.Factor * CaseActions[term.Case];
                }
            }

            Sums[k] = sum;
        }
    }

    // The same place with all its actions multiplied.
    private LoadedPlace(LoadedPlace other, double factor)
    {
        (Place, Outline, Cases, Set, Waters) = (other.Place, other.Outline, other.Cases, other.Set, other.Waters);
        CaseActions = [.. other.CaseActions.Select(a => factor * a)];
        Sums = [.. other.Sums.Select(a => factor * a)];
        Loads = [.. other.Loads.Select(l => l with { Value = factor * l.Value })];
        (LoadTerms, SurchargeFactors, SurchargeCase) = (other.LoadTerms, other.SurchargeFactors, other.SurchargeCase);
    }

    /// <summary>The same place with the actions of its support and the loads beside the column multiplied; weights, water and surcharge stay.</summary>
    public LoadedPlace Times(double factor) => new(this, factor);

    /// <summary>The place.</summary>
    public Place Place { get; }

    /// <summary>The combinations of the foundation: where water may stand above the underside, each once with the highest and once with the lowest.</summary>
    public CombinationSet Set { get; }

    /// <summary>The water in each combination of the set.</summary>
    public ImmutableArray<WaterState> Waters { get; }

    /// <summary>The column as the sections see it.</summary>
    public ColumnOutline Outline { get; }

    /// <summary>The project's cases.</summary>
    public ImmutableArray<LoadCase> Cases { get; }

    /// <summary>Action of each case.</summary>
    public SupportAction[] CaseActions { get; }

    /// <summary>Action in each combination, without the surcharge.</summary>
    public SupportAction[] Sums { get; }

    /// <summary>Loads on the base beside the column.</summary>
    public IReadOnlyList<PlanLoad> Loads { get; }

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

    private static (CombinationSet Set, ImmutableArray<WaterState> Waters) WithWater(CombinationSet set, GroundRules ground) =>
        ground.WaterAbove(ground.FoundingDepth ?? (ground.TopDepth!.Value + ThickestBase))
            ? (new CombinationSet(set.Used.SelectMany(c => Enumerable.Repeat(c, 2)), set.Dropped), [.. set.Used.SelectMany(_ => new[] { WaterState.High, WaterState.Low })])
            : (set, [.. set.Used.Select(_ => WaterState.None)]);

    /// <summary>Factor of the surcharge in each combination.</summary>
    public double[] SurchargeFactors { get; }

    /// <summary>Index of the surcharge's case; −1 if there is none.</summary>
    public int SurchargeCase { get; }
}
