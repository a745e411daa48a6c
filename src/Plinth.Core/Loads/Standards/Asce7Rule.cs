namespace Plinth.Core.Loads;

/// <summary>One choice of a slot: a symbol with its factor.</summary>
/// <param name="Symbol">The load.</param>
/// <param name="Factor">Its factor.</param>
public readonly record struct Choice(LoadSymbol Symbol, double Factor);

/// <summary>What must be present for a rule's combination to be about something (else it is left out).</summary>
public enum Need
{
    /// <summary>Nothing: a companion load.</summary>
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

/// <summary>One combination rule of ASCE 7.</summary>
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
