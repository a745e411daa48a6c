namespace Plinth.Core.Loads;

/// <summary>One choice of a slot: a symbol with its factor.</summary>
/// <param name="Symbol">The load.</param>
/// <param name="Factor">Its factor.</param>
public readonly record struct Choice(LoadSymbol Symbol, double Factor);

/// <summary>What must be present for a rule's combination to be about something (else it is left out).</summary>
public enum Need
{
    /// <summary>Nothing.</summary>
    None,

    /// <summary>This slot must have a case.</summary>
    Present,

    /// <summary>Counts towards the two variable loads that a reduced sum needs.</summary>
    OneOfTwo,
}

/// <summary>A term of a rule: one symbol, or several that exclude each other.</summary>
/// <param name="Choices">The alternatives; one only: no alternative.</param>
/// <param name="Need">What the rule asks of it.</param>
/// <param name="Companion">Whether `live-companion` replaces the factor of L here.</param>
public sealed record Slot(IReadOnlyList<Choice> Choices, Need Need = Need.None, bool Companion = false);

/// <summary>One combination rule of a load standard.</summary>
/// <param name="Number">The set's letter and the standard's number: "U4".</param>
/// <param name="For">The families it is for.</param>
/// <param name="Clause">Where the standard states it.</param>
/// <param name="Text">The rule as a formula.</param>
/// <param name="Dead">The factor printed on D.</param>
/// <param name="Vertical">Factor on SDS that Ev adds to D's factor (0.2·SDS·D times the factor of Ev).</param>
/// <param name="Slots">The other terms in the order of the formula.</param>
/// <param name="Counteracting">Whether it is one of the standard's own 0.6D service combinations.</param>
/// <param name="Fluid">Whether F takes D's factor here (2.3.1, 2.4.1); else it is left out.</param>
public sealed record LoadRule(
    string Number,
    Family For,
    string Clause,
    string Text,
    double Dead,
    double Vertical,
    IReadOnlyList<Slot> Slots,
    bool Counteracting = false,
    bool Fluid = true);

/// <summary>Values of a project that the combination rules read.</summary>
/// <param name="Sds">Design spectral acceleration SDS; Ev = 0.2·SDS·D.</param>
/// <param name="Redundancy">ρ on Eh.</param>
/// <param name="LiveCompanion">Factor that replaces 1.0L beside 1.2D where the standard allows it.</param>
public sealed record LoadOptions(double Sds = 0, double Redundancy = 1, double LiveCompanion = 1);

/// <summary>A load standard: its rules as data.</summary>
public abstract class LoadStandard
{
    /// <summary>The standard's key in plinth.toml: "asce7-22".</summary>
    public abstract string Id { get; }

    /// <summary>Its name as cited: "ASCE 7-22".</summary>
    public abstract string Name { get; }

    /// <summary>Its rules, in its order.</summary>
    public abstract IReadOnlyList<LoadRule> Rules { get; }

    /// <summary>Factor on H where it adds, in set U and in set S (2.3.1, 2.4.1).</summary>
    public virtual double EarthAdds(bool strength) => strength ? 1.6 : 1.0;

    /// <summary>Factor on permanent H where it resists.</summary>
    public virtual double EarthResists(bool strength) => strength ? 0.9 : 0.6;
}

/// <summary>The load standards known, by key.</summary>
public static class LoadStandards
{
    private static readonly LoadStandard[] All = [new Asce716(), new Asce722(), new OwnOnly()];

    /// <summary>The standard with a key, or null.</summary>
    public static LoadStandard? Find(string id) => Array.Find(All, s => string.Equals(s.Id, id, StringComparison.Ordinal));

    /// <summary>The keys that work.</summary>
    public static IEnumerable<string> Ids => All.Select(s => s.Id);

    private sealed class OwnOnly : LoadStandard
    {
        public override string Id => "own";

        public override string Name => "own combinations";

        public override IReadOnlyList<LoadRule> Rules => [];
    }
}
