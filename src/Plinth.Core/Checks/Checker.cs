using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks;

/// <summary>Checks a design of a foundation at all its places.</summary>
public sealed class Checker
{
    /// <summary>Loads the places of a foundation.</summary>
    public Checker(Project project, Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        Project = project;
        Foundation = foundation;
        States = [.. foundation.Places.Select(p => new BaseState(project, foundation, new LoadedPlace(project, foundation, p)))];
    }

    private Checker(Project project, Foundation foundation, double factor)
    {
        Project = project;
        Foundation = foundation;
        States = [.. foundation.Places.Select(p => new BaseState(project, foundation, new LoadedPlace(project, foundation, p).Times(factor)))];
    }

    /// <summary>The largest room that is sought: three times the actions.</summary>
    public const double MostRoom = 2;

    /// <summary>The project.</summary>
    public Project Project { get; }

    /// <summary>The foundation.</summary>
    public Foundation Foundation { get; }

    /// <summary>The state at each place, in order.</summary>
    public ImmutableArray<BaseState> States { get; }

    /// <summary>Gives back the room that its states take, for the next checker; this one must not be used again.</summary>
    internal void Release()
    {
        foreach (var state in States)
        {
            state.Release();
        }
    }

    /// <summary>Checks a design.</summary>
    public FoundationResult Check(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        Set(design);
        var results = new List<CheckResult>();
        foreach (var check in CheckCatalog.All)
        {
            // What depends on no place stands once: the worst, where places differ all the same.
            CheckResult? once = null;
            foreach (var state in States)
            {
                if (check.Worst(state) is { } worst)
                {
                    var result = Result(check, state, worst.Combination, worst.Outcome, worst.Note);
                    if (!check.IsOfBars || check.OfPlace)
                    {
                        results.Add(result);
                    }
                    else if (once is null || (once.Passes && !result.Passes) || result.Utilisation > once.Utilisation)
                    {
                        once = result;
                    }
                }
            }

            if (once is not null)
            {
                results.Add(once);
            }
        }

        return new FoundationResult(results, Notes());
    }

    /// <summary>
    /// How much all actions of the supports may grow before the design fails, as a share of them: 0.12 for 12 %; negative where it fails as it is, by how much
    /// they must shrink. Weights, water and surcharge stay. Found to half a percent; no more than <see cref="MostRoom"/>, no less than its opposite.
    /// </summary>
    public double Room(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        bool Holds(double factor)
        {
            var scaled = new Checker(Project, Foundation, factor);
            scaled.Set(design);
            var holds = scaled.States.All(s => CheckCatalog.Listed.All(c => Foundation.LeaveOf(c.Id) is var leave && (leave is { UpTo: null } || !c.Exceeds(s, leave?.UpTo ?? 1))));
            scaled.Release();
            return holds;
        }

        // Steps that widen find the bounds, halving closes in.
        var grows = Holds(1);
        var (near, far, step) = (1.0, 1.0, 0.02);
        while (true)
        {
            far = grows ? Math.Min(1 + MostRoom, near + step) : Math.Max(0, near - step);
            if (Holds(far) != grows)
            {
                break;
            }

            if (far >= 1 + MostRoom || far <= 0)
            {
                return far - 1;
            }

            (near, step) = (far, step * 2);
        }

        while (Math.Abs(far - near) > 0.005)
        {
            var mid = (near + far) / 2;
            (near, far) = Holds(mid) == grows ? (mid, far) : (near, mid);
        }

        return (grows ? near : far) - 1;
    }

    /// <summary>The trace of a check in a combination, or in its governing one.</summary>
    /// <param name="design">The design.</param>
    /// <param name="check">The check.</param>
    /// <param name="place">Name of the place; null: where the check governs.</param>
    /// <param name="combination">Name of the combination; null: the governing one.</param>
    /// <returns>The steps and the result; null where the check does not arise there.</returns>
    public (IReadOnlyList<TraceStep> Steps, CheckResult Result)? Trace(FoundationDesign design, Check check, string? place, string? combination)
    {
        ArgumentNullException.ThrowIfNull(design);
        ArgumentNullException.ThrowIfNull(check);
        if (Find(design, check, place, combination) is not var (state, k))
        {
            return null;
        }

        var steps = new List<TraceStep>();
        var note = new NoteSlot();
        var outcome = check.Trace(state, k, steps, note);
        return (steps, Result(check, state, k, outcome, note.Text));
    }

    /// <summary>Where a check governs, or its combination of a name, with the design set.</summary>
    /// <param name="design">The design.</param>
    /// <param name="check">The check.</param>
    /// <param name="place">Name of the place; null: where the check governs.</param>
    /// <param name="combination">Name of the combination; null: the governing one.</param>
    /// <returns>The base and the index of its combination, −1 for checks that know none; null where the check does not arise.</returns>
    public (BaseState State, int Combination)? Find(FoundationDesign design, Check check, string? place, string? combination)
    {
        ArgumentNullException.ThrowIfNull(design);
        ArgumentNullException.ThrowIfNull(check);
        Set(design);
        (BaseState State, int Combination, Outcome Outcome)? chosen = null;
        foreach (var state in States.Where(s => place is null || s.Place.Place.Name == place))
        {
            if (check.Worst(state) is not { } worst || (chosen is not null && worst.Outcome.Utilisation <= chosen.Value.Outcome.Utilisation))
            {
                continue;
            }

            var k = combination is null || check.IsOfBars ? worst.Combination : WorstOf(check, state, combination) ?? worst.Combination;
            chosen = (state, k, worst.Outcome);
        }

        return chosen is { } c ? (c.State, c.Combination) : null;
    }

    private CheckResult Result(Check check, BaseState state, int combination, in Outcome outcome, string? note) =>
        new(check.Id, check.IsOfBars && !check.OfPlace ? null : state.Place.Place.Name, combination < 0 ? null : state.Combinations[combination].Name, check.Unit, outcome, outcome.Plain ? state.Code.PlainClause : check.Clause(state.Code), note)
        {
            Water = combination < 0 || !check.KnowsWater ? null : state.WaterWords(combination),
            Leave = Foundation.LeaveOf(check.Id),
            OfLeast = check.OfLeast,
        };

    /// <summary>Puts a design into the states.</summary>
    public void Set(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        var bars = design.Bars(Foundation.Rules.Concrete.CoverSide);
        foreach (var state in States)
        {
            state.Set(design.Pedestal, design.Dowels.Size is null ? BarLayer.None : new BarLayer(design.Dowels.Count, design.Dowels.Size));
            state.Set(design.Size);
            state.Set(bars);
        }
    }

    // A combination by name, with the water that is worse where it stands with both.
    private static int? WorstOf(Check check, BaseState state, string name)
    {
        (int K, double Utilisation)? worst = null;
        for (var k = 0; k < state.Combinations.Length; k++)
        {
            if (string.Equals(state.Combinations[k].Name, name, StringComparison.Ordinal) && check.Trace(state, k, [], new NoteSlot()) is { } o && (worst is null || (o.Done && o.Utilisation > worst.Value.Utilisation)))
            {
                worst = (k, o.Done ? o.Utilisation : -1);
            }
        }

        return worst?.K;
    }

    private List<string> Notes()
    {
        var notes = new List<string>();
        void Add(string note)
        {
            if (!notes.Contains(note))
            {
                notes.Add(note);
            }
        }

        foreach (var load in Foundation.Loads)
        {
            Add($"load on the base: {load.Words(Project.Cases[load.Case].Name, Project.Units)} from the column's centre");
        }

        if (Foundation.Chosen is { } chosen)
        {
            Add(chosen.Note);
        }

        foreach (var s in States)
        {
            var where = States.Length > 1 ? $" ({s.Place.Place.Name})" : "";
            if (s.Place.Place.Support.Level is { } level && level > s.ColumnFoot + 1e-9)
            {
                Add($"the column runs down to the {(s.Pedestal is null ? "base" : "pedestal")}: the reactions act {Units.Unit.Length.FormatWithSymbol(level - s.ColumnFoot, s.Units)} above its top, no weight added{where}");
            }

            if (s.Outline.Note is { } outline)
            {
                Add(outline + where);
            }

            var overhang = Math.Max((s.Length / 2) + Math.Abs(s.ColumnX) - (s.Outline.X / 2), (s.Width / 2) + Math.Abs(s.ColumnY) - (s.Outline.Y / 2));
            if (overhang > 4 * s.Thickness)
            {
                Add($"overhang over 4 thicknesses: a rigid base is doubtful{where}");
            }

            if (Enumerable.Range(0, s.Combinations.Length).Any(k => Torsion(s, k)))
            {
                Add($"moment about the vertical exceeds 5 % of the horizontal force times the longer side: it is not carried into any check{where}");
            }
        }

        return notes;
    }

    private static bool Torsion(BaseState s, int k)
    {
        var a = s.Place.Sums[k];
        var force = Math.Sqrt((a.Fx * a.Fx) + (a.Fy * a.Fy));
        var twist = Math.Abs(a.Mz + (s.ColumnX * a.Fy) - (s.ColumnY * a.Fx));
        return twist > 0.05 * force * Math.Max(s.Length, s.Width) && twist > 1e-6 * Math.Abs(a.N) && twist > 0.01 && s.Contact(k).State != ContactState.NoEquilibrium;
    }
}
