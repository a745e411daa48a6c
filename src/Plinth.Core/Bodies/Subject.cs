using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Bodies;

/// <summary>A part of a foundation that a check looks at: its body, a column on it, a span, a zone of bars.</summary>
public abstract class Subject
{
    /// <summary>Makes a part of a trial.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="index">Which it is among those that one check looks at.</param>
    /// <param name="at">What results call it; null where a trial has but one.</param>
    protected Subject(Trial trial, int index, string? at)
    {
        ArgumentNullException.ThrowIfNull(trial);
        (Trial, Index, At) = (trial, index, at);
        (Rules, Place, Combinations, Ground) = (trial.Rules, trial.Place, trial.Combinations, trial.Ground);
    }

    /// <summary>The trial it is a part of.</summary>
    public Trial Trial { get; }

    /// <summary>Which it is among those that one check looks at.</summary>
    public int Index { get; }

    /// <summary>What results call it; null where a trial has but one.</summary>
    public string? At { get; }

    /// <summary>The rules in force.</summary>
    public RuleSet Rules { get; }

    /// <summary>The design code, with the partial factors of the combination that is looked at.</summary>
    public ConcreteCode Code => Trial.Code;

    /// <summary>The place with its loads.</summary>
    public LoadedPlace Place { get; }

    /// <summary>All combinations.</summary>
    public ImmutableArray<Combination> Combinations { get; }

    /// <summary>The ground there.</summary>
    public GroundRules Ground { get; }

    /// <summary>Units for notes.</summary>
    public Units.UnitSystem Units => Trial.Units;

    /// <summary>Whether checks look at a face.</summary>
    public bool LooksAt(Checks.Face face) => Trial.LooksAt(face);
}
