using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks;

/// <summary>Checks a design of a foundation at all its places.</summary>
public sealed class Checker
{
    private readonly double factor;

    /// <summary>Loads the places of a foundation.</summary>
    public Checker(Project project, Foundation foundation)
        : this(project, foundation, 1)
    {
    }

    // With the actions of all supports multiplied.
    private Checker(Project project, Foundation foundation, double factor)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        (Project, Foundation, this.factor) = (project, foundation, factor);
        Trials = Load();
    }

    private ImmutableArray<Trial> Load() =>
    [
        .. Foundation.Places.Select(p => new LoadedPlace(Project, Foundation, p))
            .Select(p => Foundation.Kind.NewTrial(Project, Foundation, factor == 1 ? p : p.Times(factor))),
    ];

    /// <summary>The largest room that is sought: three times the actions.</summary>
    public const double MostRoom = 2;

    // Of all actions.
    private const int RoomSteps = 200;

    /// <summary>The project.</summary>
    public Project Project { get; }

    /// <summary>The foundation.</summary>
    public Foundation Foundation { get; private set; }

    /// <summary>The trial at each place, in order; another where what it carries follows from a design that is set.</summary>
    public ImmutableArray<Trial> Trials { get; private set; }

    /// <summary>The checks of its kind.</summary>
    public CheckList List => Trials[0].Checks;

    private FoundationDesign? set;

    /// <summary>Gives back the room that its states take, for the next checker; this one must not be used again.</summary>
    internal void Release()
    {
        foreach (var state in Trials)
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
        foreach (var check in List.All)
        {
            // What depends on no place stands once: the worst, where places differ all the same.
            CheckResult? once = null;
            foreach (var trial in Trials)
            {
                foreach (var found in Found(check, trial))
                {
                    var result = Result(check, found);
                    if (check.For != Loads.Family.None || check.Definition.OfPlace)
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

        return new FoundationResult(results, Notes()) { Piles = PileResults() };
    }

    private static IReadOnlyList<Finding> Found(Check check, Trial trial) =>
        check.Definition.Lists ? check.Findings(trial) : check.Worst(trial) is { } worst ? [worst] : [];

    /// <summary>
    /// How much all actions of the supports may grow before the design fails, as a share of them: 0.12 for 12 %; negative where it fails
    /// as it is, by how much they must shrink. Weights, water, soil behind walls and surcharge stay. In whole halves of a percent; no more
    /// than <see cref="MostRoom"/>, no less than −1. Null where the supports bring nothing that could grow.
    /// </summary>
    /// <param name="design">The design.</param>
    /// <param name="now">What its checks say as it is, where that is known already; the search begins about it.</param>
    public double? Room(FoundationDesign design, FoundationResult? now = null)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (Foundation.Supports.All(s => Array.TrueForAll(Project.Actions[s.Label], a => a == default)))
        {
            return null;
        }

        // From where it stands: the actions under which it passes have no gap, but may begin at some, as those that hold it down.
        const int most = (int)(MostRoom * RoomSteps);
        Check? last = null;
        var (holds, fails) = now?.Passes ?? Holds(0) ? (0, most + 1) : (-RoomSteps - 1, 0);
        var used = now?.Governing.Utilisation ?? 1;
        var at = holds < 0 ? -1 : used > 0 && 1 / used < 1 + MostRoom ? Math.Max(1, (int)Math.Floor(((1 / used) - 1) * RoomSteps)) : most;
        for (var step = 1; at > holds && at < fails && at >= -RoomSteps; step *= 2)
        {
            (holds, fails, at) = Holds(at) ? (at, fails, Math.Min(most, at + step)) : (holds, at, Math.Max(-RoomSteps, at - step));
        }

        while (fails - holds > 1 && (holds >= -RoomSteps || fails > -RoomSteps))
        {
            var middle = (holds + fails) / 2;
            (holds, fails) = Holds(middle) ? (middle, fails) : (holds, middle);
        }

        return (double)Math.Max(holds, -RoomSteps) / RoomSteps;

        bool Holds(int steps)
        {
            var scaled = new Checker(Project, Foundation, 1 + ((double)steps / RoomSteps));
            scaled.Set(design);

            // What failed last fails first.
            var all = last is { } first && scaled.Trials.Any(s => Fails(first, s))
                ? false
                : scaled.Trials.All(s => List.Listed.All(c => !Fails(c, s)));
            scaled.Release();
            return all;
        }

        bool Fails(Check c, Trial s)
        {
            var leave = Foundation.LeaveOf(c.Id);
            if (leave is { UpTo: null } || !c.Exceeds(s, leave?.UpTo ?? 1))
            {
                return false;
            }

            last = c;
            return true;
        }
    }

    // Of the design that is set.
    private IReadOnlyList<Piles.PileResult> PileResults()
    {
        if (Foundation.Kind.BearsOnGround || set is not { } design)
        {
            return [];
        }

        return
        [
            .. Trials.SelectMany(t =>
            {
                var forces = Foundation.Kind.PileForces(t);
                return Foundation.Kind.PilesAt(Foundation, t.Place.Place, design)
                    .Select(p => new Piles.PileResult(p, forces.FirstOrDefault(f => f.Number == p.Number)));
            }),
        ];
    }

    /// <summary>The trace of a check in a combination, or in its governing one.</summary>
    /// <param name="design">The design.</param>
    /// <param name="check">The check's id.</param>
    /// <param name="place">Name of the place; null: where the check governs.</param>
    /// <param name="combination">Name of the combination; null: the governing one.</param>
    /// <param name="at">The part of the foundation by what results call it; null: where the check governs.</param>
    /// <returns>The steps and the result; null where the check does not arise there.</returns>
    public (IReadOnlyList<TraceStep> Steps, CheckResult Result)? Trace(FoundationDesign design, string check, string? place,
        string? combination, string? at = null)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (List.Find(check) is not { } known || Find(design, check, place, combination, at) is not var (subject, k))
        {
            return null;
        }

        var steps = new List<TraceStep>();
        var note = new NoteSlot();
        var outcome = known.Trace(subject, k, steps, note);
        return (steps, Result(known, new Finding(subject, k, outcome, note.Text, note.Along)));
    }

    /// <summary>
    /// Shear and moment along a base under several columns, place by place, in each combination that governs its bars along x; empty for a
    /// base under one.
    /// </summary>
    public IReadOnlyList<GoverningDiagram> Diagrams(FoundationDesign design)
    {
        Set(design);
        var list = new List<GoverningDiagram>();
        foreach (var trial in Trials)
        {
            var along = List.Listed.Where(c => c.For == Loads.Family.Concrete && c.Decides is { What: Decisions.Bars, AlongX: true });
            var governing = along.Select(c => (c.Id, Found: c.Worst(trial))).Where(f => f.Found is { Outcome.Demand: > 0 });
            foreach (var g in governing.GroupBy(f => f.Found!.Value.Combination))
            {
                if (trial.Along(g.Key) is { } diagram)
                {
                    var place = Trials.Length > 1 ? trial.Place.Place.Name : null;
                    var (name, water, body) = (trial.Combinations[g.Key].Name, trial.Body.WaterWords(g.Key), trial.Body.Balance(g.Key));
                    list.Add(new GoverningDiagram(place, name, water, [.. g.Select(f => f.Id)], diagram, body));
                }
            }
        }

        return list;
    }

    /// <summary>What a check looks at of a design, as results call it; empty where it is of the whole foundation.</summary>
    public IReadOnlyList<string> Parts(FoundationDesign design, string check)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (List.Find(check) is not { } known)
        {
            return [];
        }

        Set(design);
        return [.. Trials.SelectMany(known.Findings).Select(f => f.Subject.At).OfType<string>().Distinct()];
    }

    /// <summary>Where a check governs, or its combination of a name, with the design set.</summary>
    /// <param name="design">The design.</param>
    /// <param name="check">The check's id.</param>
    /// <param name="place">Name of the place; null: where the check governs.</param>
    /// <param name="combination">Name of the combination; null: the governing one.</param>
    /// <param name="at">The part of the foundation by what results call it; null: where the check governs.</param>
    /// <returns>The part and the index of its combination, −1 for checks that know none; null where the check does not arise.</returns>
    public (Subject Subject, int Combination)? Find(FoundationDesign design, string check, string? place, string? combination,
        string? at = null)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (List.Find(check) is not { } known)
        {
            return null;
        }

        Set(design);
        Finding? chosen = null;

        // Combinations of live load on single columns are each of one place.
        bool Has(Trial t) => t.Combinations.Any(c => c.Name == combination);
        var one = combination is not null && Trials.Any(Has);
        foreach (var trial in Trials.Where(s => (place is null || s.Place.Place.Name == place) && (!one || Has(s))))
        {
            foreach (var worst in known.Findings(trial).Where(f => at is null || f.Subject.At == at))
            {
                if (chosen is null || worst.Outcome.Utilisation > chosen.Value.Outcome.Utilisation)
                {
                    chosen = worst;
                }
            }
        }

        return chosen is not { } c ? null
            : (c.Subject,
                combination is null || known.For == Loads.Family.None
                    ? c.Combination
                    : WorstOf(known, c.Subject, combination) ?? c.Combination);
    }

    private CheckResult Result(Check check, in Finding found)
    {
        var (trial, k, outcome) = (found.Subject.Trial, found.Combination, found.Outcome);
        return new CheckResult(
            check.Id,
            check.For == Loads.Family.None && !check.Definition.OfPlace ? null : trial.Place.Place.Name,
            k < 0 ? null : trial.Combinations[k].Name,
            check.Definition.Unit,
            outcome,
            outcome.Plain ? trial.Code.PlainClause
                : (trial.Ground.Design is null ? null : check.Definition.LimitStateClause) ?? check.Definition.Clause(trial.Code),
            found.Note)
        {
            At = found.Subject.At,
            Along = found.Along,
            Water = k < 0 || !check.KnowsGround ? null : trial.Body.WaterWords(k),
            Surcharge = k < 0 || !check.KnowsGround ? null : trial.Body.SurchargeWords(k),
            Leave = Foundation.LeaveOf(check.Id),
            OfLeast = check.Definition.OfLeast,
        };
    }

    /// <summary>Puts a design into the trials.</summary>
    public void Set(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (Grids.GridCoupling.With(Project, Foundation, design, factor) is var row && !ReferenceEquals(row, Foundation))
        {
            Release();
            Foundation = row;
            Trials = Load();
        }

        foreach (var trial in Trials)
        {
            trial.Adopt(design);
        }

        set = design;
    }

    // A combination by name, with the water that is worse where it stands with both.
    private static int? WorstOf(Check check, Subject subject, string name)
    {
        (int K, double Utilisation)? worst = null;
        var combinations = subject.Trial.Combinations;
        for (var k = 0; k < combinations.Length; k++)
        {
            if (string.Equals(combinations[k].Name, name, StringComparison.Ordinal)
                && check.Trace(subject, k, [], new NoteSlot()) is { } o
                && (worst is null || (o.Done && o.Utilisation > worst.Value.Utilisation)))
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

        foreach (var trial in Trials)
        {
            foreach (var note in Foundation.Kind.Notes(trial))
            {
                Add(note + (Trials.Length > 1 ? $" ({trial.Place.Place.Name})" : ""));
            }
        }

        return notes;
    }
}
