using Plinth.Core.Bodies;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks;

/// <summary>
/// The rule of a check over the parts of a foundation that it looks at, as a type: the number and its trace come from the same lines.
/// </summary>
/// <typeparam name="TSubject">The part it looks at.</typeparam>
/// <typeparam name="TCapacity">What of the check does not depend on the combination.</typeparam>
internal interface ICheckRule<TSubject, TCapacity>
    where TSubject : Subject
    where TCapacity : struct
{
    /// <summary>
    /// What of the bars decides which combination governs: trials of one size with the same key have the same governing combination, so
    /// that it is
    /// sought once. NaN: nothing less than all of them.
    /// </summary>
    static virtual double GoverningKey(TSubject s) => double.NaN;

    /// <summary>
    /// Whether water in the ground, or where a surcharge stands, changes anything; if not, each combination is looked at once, not in
    /// each of these states.
    /// </summary>
    static virtual bool KnowsGround => true;

    /// <summary>A bound that the utilisation in a combination never exceeds, where one is cheap to find; infinite where not.</summary>
    static virtual double UpperBound(TSubject s, in TCapacity capacity, int combination) => double.PositiveInfinity;

    /// <summary>Whether <see cref="LowerBound"/> knows more than nothing.</summary>
    static virtual bool BoundsBars => false;

    /// <summary>
    /// A bound below which the utilisation in a combination never falls, whichever bars of a range are laid; the trial holds the thinnest.
    /// 0: none is known.
    /// </summary>
    static virtual double LowerBound(TSubject s, in BarRange range, int combination) => 0;

    /// <summary>The parts of a trial that it looks at.</summary>
    static abstract ReadOnlySpan<TSubject> Of(Trial trial);

    /// <summary>The part that does not depend on the combination.</summary>
    static abstract TCapacity Capacity(TSubject s);

    /// <summary>The check in one combination (−1 for checks that do not depend on loads).</summary>
    static abstract Outcome Evaluate<T>(TSubject s, in TCapacity capacity, int combination, ref T trace)
        where T : struct, ITrace;
}

/// <summary>For rules without a part common to all combinations.</summary>
internal readonly struct Nothing;
