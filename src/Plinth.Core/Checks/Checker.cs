using System.Collections.Immutable;
using Plinth.Core.Buildings;
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

    /// <summary>The project.</summary>
    public Project Project { get; }

    /// <summary>The foundation.</summary>
    public Foundation Foundation { get; }

    /// <summary>The state at each place, in order.</summary>
    public ImmutableArray<BaseState> States { get; }

    /// <summary>Checks a design.</summary>
    public FoundationResult Check(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        Set(design);
        var results = new List<CheckResult>();
        foreach (var check in CheckCatalog.All)
        {
            foreach (var state in States)
            {
                if (check.Worst(state) is { } worst)
                {
                    results.Add(new CheckResult(check.Id, check.IsOfBars ? null : state.Place.Place.Name, worst.Combination < 0 ? null : state.Combinations[worst.Combination].Name, check.Unit, worst.Outcome, check.Clause(state.Code), worst.Note));
                }

                if (check.IsOfBars)
                {
                    break;
                }
            }
        }

        return new FoundationResult(results, Notes());
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
        Set(design);
        (BaseState State, int Combination, Outcome Outcome)? chosen = null;
        foreach (var state in States.Where(s => place is null || s.Place.Place.Name == place))
        {
            var k = combination is null ? -1 : IndexOf(state, combination);
            if (check.Worst(state) is { } worst && (chosen is null || worst.Outcome.Utilisation > chosen.Value.Outcome.Utilisation))
            {
                chosen = (state, k >= 0 && !check.IsOfBars ? k : worst.Combination, worst.Outcome);
            }
        }

        if (chosen is not { } c)
        {
            return null;
        }

        var steps = new List<TraceStep>();
        var note = new NoteSlot();
        var outcome = check.Trace(c.State, c.Combination, steps, note);
        return (steps, new CheckResult(check.Id, check.IsOfBars ? null : c.State.Place.Place.Name, c.Combination < 0 ? null : c.State.Combinations[c.Combination].Name, check.Unit, outcome, check.Clause(c.State.Code), note.Text));
    }

    /// <summary>Puts a design into the states.</summary>
    public void Set(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        var bars = design.Bars(Foundation.Rules.Concrete.CoverSide);
        foreach (var state in States)
        {
            state.Set(design.Size);
            state.Set(bars);
        }
    }

    private static int IndexOf(BaseState state, string name)
    {
        for (var k = 0; k < state.Combinations.Length; k++)
        {
            if (string.Equals(state.Combinations[k].Name, name, StringComparison.Ordinal))
            {
                return k;
            }
        }

        return -1;
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
            if (s.Place.Place.Support.Level is { } level && level > s.Underside + s.Thickness + 1e-9)
            {
                Add($"the column runs down to the base: the reactions act {Units.Unit.Length.FormatWithSymbol(level - s.Underside - s.Thickness, s.Units)} above its top, no weight added{where}");
            }

            if (s.Place.Outline.Note is { } outline)
            {
                Add(outline + where);
            }

            var overhang = Math.Max((s.Length / 2) + Math.Abs(s.ColumnX) - (s.Place.Outline.X / 2), (s.Width / 2) + Math.Abs(s.ColumnY) - (s.Place.Outline.Y / 2));
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
