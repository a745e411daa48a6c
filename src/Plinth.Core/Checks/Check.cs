using Plinth.Core.Concrete.Codes;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks;

/// <summary>The rule of a check, as a type: the number and its trace come from the same lines.</summary>
/// <typeparam name="TCapacity">What of the check does not depend on the combination.</typeparam>
internal interface ICheckRule<TCapacity>
    where TCapacity : struct
{
    /// <summary>
    /// What of the bars decides which combination governs: trials of one size with the same key have the same governing combination, so that it is
    /// sought once. NaN: nothing less than all of them.
    /// </summary>
    static virtual double GoverningKey(BaseState s) => double.NaN;

    /// <summary>Whether the water in the ground changes anything; if not, the combinations are looked at once, not at both waters.</summary>
    static virtual bool KnowsWater => true;

    /// <summary>A bound that the utilisation in a combination never exceeds, where one is cheap to find; infinite where not.</summary>
    static virtual double UpperBound(BaseState s, in TCapacity capacity, int combination) => double.PositiveInfinity;

    /// <summary>The part that does not depend on the combination.</summary>
    static abstract TCapacity Capacity(BaseState s);

    /// <summary>The check in one combination (−1 for checks that do not depend on loads).</summary>
    static abstract Outcome Evaluate<T>(BaseState s, in TCapacity capacity, int combination, ref T trace)
        where T : struct, ITrace;
}

/// <summary>For rules without a part common to all combinations.</summary>
internal readonly struct Nothing;

/// <summary>One verification of a foundation.</summary>
public abstract class Check
{
    /// <summary>Its id in files: "two-way-shear".</summary>
    public required string Id { get; init; }

    /// <summary>Its name for people: "two-way shear".</summary>
    public required string Name { get; init; }

    /// <summary>What it compares, in a sentence for the guide.</summary>
    public required string About { get; init; }

    /// <summary>The families of combinations it is for; none: it does not depend on loads.</summary>
    public required Family For { get; init; }

    /// <summary>Unit of demand and capacity.</summary>
    public required Unit Unit { get; init; }

    /// <summary>Clause under a code; null for statics.</summary>
    public required Func<ConcreteCode, string?> Clause { get; init; }

    /// <summary>Whether plan size alone decides it, so that sizing looks at it while it seeks the plan.</summary>
    public required bool OfPlan { get; init; }

    /// <summary>Its place in the catalogue.</summary>
    public int Index { get; internal set; }

    /// <summary>Whether it is of a least amount (steel, spacing, depth): it governs only where it fails.</summary>
    public bool OfLeast { get; init; }

    /// <summary>Whether it is of what stands on the base: column, joint, pedestal, socket.</summary>
    public bool IsOfJoint => Id.StartsWith("column-", StringComparison.Ordinal) || Id.StartsWith("interface", StringComparison.Ordinal) || Id.StartsWith("pedestal", StringComparison.Ordinal) || Id.StartsWith("socket", StringComparison.Ordinal);

    /// <summary>Whether it depends on the place though not on loads.</summary>
    public bool OfPlace { get; init; }

    /// <summary>Whether it does not depend on loads or place.</summary>
    public bool IsOfBars => For == Family.None;

    /// <summary>What the project must state for it to be done, where it does not; null: nothing is missing.</summary>
    public Func<Foundations.Foundation, string?> Missing { get; init; } = _ => null;

    /// <summary>Whether the water in the ground changes anything in it.</summary>
    public abstract bool KnowsWater { get; }

    /// <summary>Whether any combination exceeds a limit; the one that failed last is tried first.</summary>
    public abstract bool Exceeds(BaseState state, double limit);

    /// <summary>Whether the combination that failed last exceeds a limit: a quick test before <see cref="Exceeds"/>.</summary>
    public abstract bool ExceedsAtHint(BaseState state, double limit);

    /// <summary>The governing combination, with notes.</summary>
    /// <returns>Null where the check does not arise or could not be done in any combination.</returns>
    public abstract (int Combination, Outcome Outcome, string? Note)? Worst(BaseState state);

    /// <summary>The check in one combination, step by step.</summary>
    public abstract Outcome Trace(BaseState state, int combination, List<TraceStep> steps, NoteSlot note);
}

/// <summary>Runs a rule over combinations.</summary>
internal sealed class Check<TRule, TCapacity> : Check
    where TRule : struct, ICheckRule<TCapacity>
    where TCapacity : struct
{
    public override bool Exceeds(BaseState state, double limit)
    {
        var none = default(NoTrace);
        var capacity = TRule.Capacity(state);
        if (IsOfBars)
        {
            return Over(TRule.Evaluate(state, capacity, -1, ref none), limit);
        }

        var key = TRule.GoverningKey(state);
        if (state.GoverningAt(Index, key) is >= 0 and var known)
        {
            return Over(TRule.Evaluate(state, capacity, known, ref none), limit);
        }

        ref var hint = ref state.Hints[Index];
        var combinations = state.CombinationsFor(For);
        if (combinations.Length == 0)
        {
            return false;
        }

        if (state.Combinations[hint].IsFor(For) && TRule.UpperBound(state, capacity, hint) > limit && Over(TRule.Evaluate(state, capacity, hint, ref none), limit))
        {
            return true;
        }

        var (governing, most) = (-1, double.NegativeInfinity);
        foreach (var k in combinations)
        {
            if (Again(state, k) || TRule.UpperBound(state, capacity, k) <= limit)
            {
                continue;
            }

            var o = TRule.Evaluate(state, capacity, k, ref none);
            if (Over(o, limit))
            {
                hint = k;
                return true;
            }

            if (o.Done && o.Utilisation > most)
            {
                (governing, most) = (k, o.Utilisation);
            }
        }

        if (governing >= 0)
        {
            state.SetGoverning(Index, key, governing);
        }

        return false;
    }

    public override bool ExceedsAtHint(BaseState state, double limit)
    {
        var none = default(NoTrace);
        if (IsOfBars)
        {
            return Over(TRule.Evaluate(state, TRule.Capacity(state), -1, ref none), limit);
        }

        var known = state.GoverningAt(Index, TRule.GoverningKey(state));
        var k = known >= 0 ? known : state.Hints[Index];
        return state.Combinations[k].IsFor(For) && Over(TRule.Evaluate(state, TRule.Capacity(state), k, ref none), limit);
    }

    public override (int Combination, Outcome Outcome, string? Note)? Worst(BaseState state)
    {
        var slot = new NoteSlot();
        var notes = new NotesOnly(slot);
        var none = default(NoTrace);
        var capacity = TRule.Capacity(state);
        if (IsOfBars)
        {
            var only = TRule.Evaluate(state, capacity, -1, ref notes);
            return only.Done ? (-1, only, slot.Text) : null;
        }

        var governing = -1;
        var worst = default(Outcome);
        foreach (var k in state.CombinationsFor(For))
        {
            if (Again(state, k) || (governing >= 0 && TRule.UpperBound(state, capacity, k) <= worst.Utilisation))
            {
                continue;
            }

            var o = TRule.Evaluate(state, capacity, k, ref none);
            if (o.Done && (governing < 0 || Worse(o, worst)))
            {
                (governing, worst) = (k, o);
            }
        }

        return governing < 0 ? null : (governing, TRule.Evaluate(state, capacity, governing, ref notes), slot.Text);
    }

    public override Outcome Trace(BaseState state, int combination, List<TraceStep> steps, NoteSlot note)
    {
        var recorder = new Recorder(steps, note);
        return TRule.Evaluate(state, TRule.Capacity(state), combination, ref recorder);
    }

    public override bool KnowsWater => TRule.KnowsWater;

    // The same combination with the other water.
    private static bool Again(BaseState state, int k) => !TRule.KnowsWater && state.Place.Waters[k] == Ground.WaterState.Low;

    private static bool Worse(in Outcome a, in Outcome b) => a.FailsAnyhow != b.FailsAnyhow ? a.FailsAnyhow : a.Utilisation > b.Utilisation;

    private static bool Over(in Outcome o, double limit) => o.Done && (o.FailsAnyhow || o.Utilisation > limit + 1e-9);
}
