using Plinth.Core.Bodies;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks;

/// <summary>One verification of a foundation.</summary>
public abstract class Check
{
    /// <summary>What it is called and what it is for.</summary>
    public required CheckDefinition Definition { get; init; }

    /// <summary>Its id in files: "two-way-shear".</summary>
    public string Id => Definition.Id;

    /// <summary>The families of combinations it is for; none: it does not depend on loads.</summary>
    public Family For => Definition.For;

    /// <summary>What of a design it decides.</summary>
    public required Decides Decides { get; init; }

    /// <summary>Its place in the list of its kind.</summary>
    public int Index { get; internal set; }

    /// <summary>Whether water in the ground, or where a surcharge stands, changes anything in it.</summary>
    public abstract bool KnowsGround { get; }

    /// <summary>Whether any combination exceeds a limit; the one that failed last is tried first.</summary>
    public abstract bool Exceeds(Trial trial, double limit);

    /// <summary>Whether the combination that failed last exceeds a limit: a quick test before <see cref="Exceeds"/>.</summary>
    public abstract bool ExceedsAtHint(Trial trial, double limit);

    /// <summary>Whether <see cref="ExceedsWithAny"/> knows more than nothing.</summary>
    internal abstract bool BoundsBars { get; }

    /// <summary>
    /// Whether the combination that failed last exceeds a limit with any bars of a range; the trial holds the thinnest. False where that is
    /// not known.
    /// </summary>
    internal abstract bool ExceedsWithAny(Trial trial, in BarRange range, double limit);

    /// <summary>
    /// The first part that exceeds a limit, in the combination by which it was found to: it need not be the worst. For a search that asks
    /// how far it is off.
    /// </summary>
    /// <returns>Null where none does.</returns>
    internal abstract (Subject Subject, Outcome Outcome)? FirstOver(Trial trial, double limit);

    /// <summary>Whether one part exceeds a limit in any combination.</summary>
    internal abstract bool ExceedsAt(Subject subject, double limit);

    /// <summary>Whether a part is one that it looks at.</summary>
    internal abstract bool Takes(Subject subject);

    /// <summary>What one part comes to in the combination by which it was found to exceed a limit; null: it does in none.</summary>
    internal abstract Outcome? OverAt(Subject subject, double limit);

    /// <summary>Where it governs, with notes.</summary>
    /// <returns>Null where the check does not arise or could not be done anywhere.</returns>
    public abstract Finding? Worst(Trial trial);

    /// <summary>What it finds of each part that it looks at, in order; parts where it does not arise are left out.</summary>
    public abstract IReadOnlyList<Finding> Findings(Trial trial);

    /// <summary>The check of a part in one combination, step by step.</summary>
    /// <exception cref="InvalidCastException">It does not look at such parts.</exception>
    public abstract Outcome Trace(Subject subject, int combination, List<TraceStep> steps, NoteSlot note);

    /// <summary>The combination that failed last of a part.</summary>
    internal int HintOf(Subject subject) => subject.Trial.Hints[subject.Trial.Slot(Index, subject)];

    /// <summary>Whether one outcome is worse than another.</summary>
    /// <param name="a">The one.</param>
    /// <param name="b">The other.</param>
    /// <param name="alike">By how much it must be, as a share.</param>
    internal static bool IsWorse(in Outcome a, in Outcome b, double alike) =>
        a.FailsAnyhow != b.FailsAnyhow ? a.FailsAnyhow : a.Utilisation > b.Utilisation * (1 + alike);
}

/// <summary>Runs a rule over parts and combinations.</summary>
internal sealed class Check<TRule, TSubject, TCapacity> : Check
    where TRule : struct, ICheckRule<TSubject, TCapacity>
    where TSubject : Subject
    where TCapacity : struct
{
    public override bool Exceeds(Trial trial, double limit)
    {
        foreach (var s in TRule.Of(trial))
        {
            if (Failing(trial, s, limit) != Passes)
            {
                return true;
            }
        }

        return false;
    }

    internal override (Subject Subject, Outcome Outcome)? FirstOver(Trial trial, double limit)
    {
        var none = default(NoTrace);
        foreach (var s in TRule.Of(trial))
        {
            if (Failing(trial, s, limit) is not Passes and var k)
            {
                return (s, In(trial, s, k, ref none));
            }
        }

        return null;
    }

    internal override bool ExceedsAt(Subject subject, double limit) => Failing(subject.Trial, (TSubject)subject, limit) != Passes;

    internal override bool Takes(Subject subject)
    {
        foreach (var s in TRule.Of(subject.Trial))
        {
            if (ReferenceEquals(s, subject))
            {
                return true;
            }
        }

        return false;
    }

    internal override Outcome? OverAt(Subject subject, double limit)
    {
        var (s, none) = ((TSubject)subject, default(NoTrace));
        return Failing(subject.Trial, s, limit) is not Passes and var k ? In(subject.Trial, s, k, ref none) : null;
    }

    // No combination is numbered so.
    private const int Passes = -2;

    // In one combination, with the partial factors of its design situation.
    private static Outcome In<T>(Trial trial, TSubject s, int k, ref T trace)
        where T : struct, ITrace
    {
        trial.Enter(k);
        var outcome = TRule.Evaluate(s, TRule.Capacity(s), k, ref trace);
        trial.Enter(-1);
        return outcome;
    }

    // The combination in which a part exceeds a limit; where none is asked, −1.
    private int Failing(Trial trial, TSubject s, double limit)
    {
        var k = Sought(trial, s, limit);
        trial.Enter(-1);
        return k;
    }

    private int Sought(Trial trial, TSubject s, double limit)
    {
        var none = default(NoTrace);
        var capacity = TRule.Capacity(s);
        if (For == Family.None)
        {
            return Over(TRule.Evaluate(s, capacity, -1, ref none), limit) ? -1 : Passes;
        }

        // Where strengths differ between combinations none governs whatever the bars.
        var slot = trial.Slot(Index, s);
        var key = trial.HasSituations ? double.NaN : TRule.GoverningKey(s);
        if (trial.GoverningAt(slot, key) is >= 0 and var known)
        {
            return Over(TRule.Evaluate(s, capacity, known, ref none), limit) ? known : Passes;
        }

        ref var hint = ref trial.Hints[slot];
        var combinations = trial.CombinationsFor(For);
        if (combinations.Length == 0)
        {
            return Passes;
        }

        if (trial.Combinations[hint].IsFor(For))
        {
            capacity = trial.Enter(hint) ? TRule.Capacity(s) : capacity;
            if (TRule.UpperBound(s, capacity, hint) > limit && Over(TRule.Evaluate(s, capacity, hint, ref none), limit))
            {
                return hint;
            }
        }

        var (governing, most) = (-1, double.NegativeInfinity);
        var repeats = Repeats(trial);
        foreach (var k in combinations)
        {
            capacity = trial.Enter(k) ? TRule.Capacity(s) : capacity;
            if (Again(repeats, k) || TRule.UpperBound(s, capacity, k) <= limit)
            {
                continue;
            }

            var o = TRule.Evaluate(s, capacity, k, ref none);
            if (Over(o, limit))
            {
                hint = k;
                return k;
            }

            if (o.Done && o.Utilisation > most)
            {
                (governing, most) = (k, o.Utilisation);
            }
        }

        if (governing >= 0)
        {
            trial.SetGoverning(slot, key, governing);
        }

        return Passes;
    }

    public override bool ExceedsAtHint(Trial trial, double limit)
    {
        var none = default(NoTrace);
        foreach (var s in TRule.Of(trial))
        {
            if (For == Family.None)
            {
                if (Over(TRule.Evaluate(s, TRule.Capacity(s), -1, ref none), limit))
                {
                    return true;
                }

                continue;
            }

            var slot = trial.Slot(Index, s);
            var known = trial.HasSituations ? -1 : trial.GoverningAt(slot, TRule.GoverningKey(s));
            var k = known >= 0 ? known : trial.Hints[slot];
            if (trial.Combinations[k].IsFor(For) && Over(In(trial, s, k, ref none), limit))
            {
                return true;
            }
        }

        return false;
    }

    internal override bool BoundsBars => TRule.BoundsBars;

    internal override bool ExceedsWithAny(Trial trial, in BarRange range, double limit)
    {
        if (For == Family.None)
        {
            return false;
        }

        foreach (var s in TRule.Of(trial))
        {
            var k = trial.Hints[trial.Slot(Index, s)];
            if (trial.Combinations[k].IsFor(For) && TRule.LowerBound(s, range, k) > limit + 1e-9)
            {
                return true;
            }
        }

        return false;
    }

    public override Finding? Worst(Trial trial)
    {
        Finding? worst = null;
        foreach (var s in TRule.Of(trial))
        {
            if (Worst(trial, s) is { } own && (worst is not { } w || IsWorse(own.Outcome, w.Outcome, trial.Alike)))
            {
                worst = own;
            }
        }

        return worst;
    }

    public override IReadOnlyList<Finding> Findings(Trial trial)
    {
        var list = new List<Finding>();
        foreach (var s in TRule.Of(trial))
        {
            if (Worst(trial, s) is { } own)
            {
                list.Add(own);
            }
        }

        return list;
    }

    private Finding? Worst(Trial trial, TSubject s)
    {
        var slot = new NoteSlot();
        var notes = new NotesOnly(slot);
        var none = default(NoTrace);
        var capacity = TRule.Capacity(s);
        if (For == Family.None)
        {
            var only = TRule.Evaluate(s, capacity, -1, ref notes);
            return only.Done ? new Finding(s, -1, only, slot.Text) : null;
        }

        var governing = -1;
        var worst = default(Outcome);
        var repeats = Repeats(trial);
        foreach (var k in trial.CombinationsFor(For))
        {
            capacity = trial.Enter(k) ? TRule.Capacity(s) : capacity;
            if (Again(repeats, k) || (governing >= 0 && TRule.UpperBound(s, capacity, k) <= worst.Utilisation))
            {
                continue;
            }

            var o = TRule.Evaluate(s, capacity, k, ref none);
            if (o.Done && (governing < 0 || IsWorse(o, worst, trial.Alike)))
            {
                (governing, worst) = (k, o);
            }
        }

        trial.Enter(-1);
        return governing < 0 ? null : new Finding(s, governing, In(trial, s, governing, ref notes), slot.Text, slot.Along);
    }

    public override Outcome Trace(Subject subject, int combination, List<TraceStep> steps, NoteSlot note)
    {
        var recorder = new Recorder(steps, note, subject.Trial.Code.Symbols);
        return In(subject.Trial, (TSubject)subject, combination, ref recorder);
    }

    public override bool KnowsGround => TRule.KnowsGround;

    // Which combinations are the one before in a state that changes nothing here; none where it does.
    private static ReadOnlySpan<bool> Repeats(Trial trial) => TRule.KnowsGround ? [] : trial.Place.Repeats.AsSpan();

    private static bool Again(ReadOnlySpan<bool> repeats, int k) => repeats.Length > 0 && repeats[k];

    private static bool Over(in Outcome o, double limit) =>
        o is { Done: true, Shown: false } && (o.FailsAnyhow || o.Utilisation > limit + 1e-9);
}
