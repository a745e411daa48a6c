using Plinth.Core.Units;

namespace Plinth.Core.Checks;

/// <summary>The face of a base.</summary>
public enum Face
{
    /// <summary>Not of one face.</summary>
    None,

    /// <summary>Bottom bars; upward pressure.</summary>
    Bottom,

    /// <summary>Top bars; downward load.</summary>
    Top,
}

/// <summary>What a check finds in one combination. A value type, so that a search allocates nothing.</summary>
public readonly record struct Outcome
{
    /// <summary>Utilisation where there is no capacity.</summary>
    public const double NoCapacity = 99.99;

    /// <summary>A check passes up to here.</summary>
    public const double Limit = 1 + 1e-9;

    /// <summary>The check cannot be done in this combination, or does not arise.</summary>
    public static readonly Outcome NotDone;

    /// <summary>Whether the check was done.</summary>
    public bool Done { get; init; }

    /// <summary>Demand, in the check's unit (kN, m).</summary>
    public double Demand { get; init; }

    /// <summary>Capacity, in the check's unit.</summary>
    public double Capacity { get; init; }

    /// <summary>Utilisation.</summary>
    public double Utilisation { get; init; }

    /// <summary>Actual factor of safety, for checks of a factor; else 0.</summary>
    public double Factor { get; init; }

    /// <summary>Least factor of safety, for checks of a factor; else 0.</summary>
    public double Least { get; init; }

    /// <summary>Set where the check fails whatever its utilisation reads.</summary>
    public bool FailsAnyhow { get; init; }

    /// <summary>Whether it is told alone: it neither governs nor fails.</summary>
    public bool Shown { get; init; }

    /// <summary>The face looked at.</summary>
    public Face Face { get; init; }

    /// <summary>Whether plain concrete holds it (ACI 318 14.5).</summary>
    public bool Plain { get; init; }

    /// <summary>Whether the check passes.</summary>
    public bool Passes => Shown || (Utilisation <= Limit && !FailsAnyhow);

    /// <summary>Demand over capacity: 0 without demand, 99.99 without capacity.</summary>
    public static Outcome Ratio(double demand, double capacity) => new()
    {
        Done = true,
        Demand = demand,
        Capacity = capacity,
        Utilisation = demand <= 0 ? 0 : capacity > 0 ? Math.Min(demand / capacity, NoCapacity) : NoCapacity,
    };

    /// <summary>Least factor times demand over capacity.</summary>
    public static Outcome Safety(double demand, double capacity, double least) => Ratio(demand, capacity) with
    {
        Factor = demand > 0 ? Math.Min(Math.Max(0, capacity) / demand, NoCapacity) : NoCapacity,
        Least = least,
        Utilisation = demand <= 0 ? 0 : capacity > 0 ? Math.Min(least * demand / capacity, NoCapacity) : NoCapacity,
    };
}

/// <summary>The result of a check: its governing combination.</summary>
/// <param name="Id">The check's id.</param>
/// <param name="Place">Name of the place; null where it does not depend on the place.</param>
/// <param name="Combination">Name of the governing combination; null where it does not depend on loads.</param>
/// <param name="Unit">Unit of demand and capacity.</param>
/// <param name="Outcome">What was found.</param>
/// <param name="Clause">Where the rule stands; null for statics.</param>
/// <param name="Note">What to say of it; null if nothing.</param>
public sealed record CheckResult(string Id, string? Place, string? Combination, Unit Unit, Outcome Outcome, string? Clause, string? Note)
{
    /// <summary>The part of the foundation that it is of, a support's label or those of several; null where there is but one.</summary>
    public string? At { get; init; }

    /// <summary>Where along its own x the section lies, m from the base's centroid; null: it is of no section along x.</summary>
    public double? Along { get; init; }

    /// <summary>Where it is: its place, and the part there; null where it is of the whole mark.</summary>
    public string? Where => At is null ? Place : Place is null ? At : $"{Place}: {At}";

    /// <summary>The water in the combination, in words: "high water", "low water", "dry"; null where none matters.</summary>
    public string? Water { get; init; }

    /// <summary>What surcharge is absent in the combination, in words: "no surcharge", "surcharge off the heel"; else null.</summary>
    public string? Surcharge { get; init; }

    /// <summary>Whether it is of a least amount, that governs only where it fails.</summary>
    public bool OfLeast { get; init; }

    /// <summary>The engineer's leave to pass over it; null: none.</summary>
    public Leave? Leave { get; init; }

    /// <summary>Utilisation.</summary>
    public double Utilisation => Outcome.Utilisation;

    /// <summary>Whether it passes.</summary>
    public bool Passes => Outcome.Passes || Allowed;

    /// <summary>Whether it passes by the engineer's leave alone.</summary>
    public bool Allowed =>
        !Outcome.Passes && Leave is { } leave && (leave.UpTo is null || (!Outcome.FailsAnyhow && leave.Covers(Utilisation)));
}

/// <summary>All checks of a foundation.</summary>
/// <param name="Checks">In the order of the catalogue; one a place where a mark is made alike.</param>
/// <param name="Notes">Remarks on the whole foundation.</param>
public sealed record FoundationResult(IReadOnlyList<CheckResult> Checks, IReadOnlyList<string> Notes)
{
    /// <summary>The piles with their loads, place by place; none of a base on the ground.</summary>
    public IReadOnlyList<Piles.PileResult> Piles { get; init; } = [];

    /// <summary>
    /// The check of ground or strength with the highest utilisation; a failing one, of least amounts too, before any that passes.
    /// </summary>
    public CheckResult Governing => Checks.Aggregate((best, c) => Rank(c).CompareTo(Rank(best)) < 0 ? c : best);

    // What is waived governs nothing; what is accepted still does. Least amounts that are there say nothing of how much is used.
    private static (bool Passes, bool Waived, bool OfLeast, double Room) Rank(CheckResult c) =>
        (c.Passes, c.Leave is { UpTo: null } || c.Outcome.Shown, c.Passes && c.OfLeast, -c.Utilisation);

    /// <summary>Whether all pass.</summary>
    public bool Passes => Checks.All(c => c.Passes);
}
