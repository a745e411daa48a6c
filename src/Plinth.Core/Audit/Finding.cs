using Plinth.Core.Loads;

namespace Plinth.Core.Audit;

/// <summary>How grave a finding is.</summary>
public enum Grade
{
    /// <summary>Worth knowing; nothing need be done.</summary>
    Note,

    /// <summary>Likely wrong.</summary>
    Warning,

    /// <summary>Contradicts what the engineer stated.</summary>
    Error,
}

/// <summary>Something doubtful in the loads or the supports.</summary>
/// <param name="Code">Its code: "gravity-lifts".</param>
/// <param name="Grade">How grave.</param>
/// <param name="Support">The support it is about; null: none.</param>
/// <param name="Case">The case it is about; null: none.</param>
/// <param name="Message">What was found.</param>
/// <param name="Remedy">What to do.</param>
public sealed record Finding(string Code, Grade Grade, string? Support, string? Case, string Message, string Remedy);

/// <summary>A total that the analysis itself reports for a case; what is null was not stated.</summary>
/// <param name="N">Downwards, kN.</param>
/// <param name="Fx">Along x, as applied, kN.</param>
/// <param name="Fy">Along y, as applied, kN.</param>
public sealed record StatedTotal(double? N, double? Fx, double? Fy);

/// <summary>Totals of a case and how its supports share it.</summary>
/// <param name="Case">The case.</param>
/// <param name="Totals">Sum of actions about the origin.</param>
/// <param name="Stated">What the analysis reports; null: not given.</param>
/// <param name="Shares">By support in order: its part of ΣN of a case that presses, else of the sum of horizontal forces.</param>
/// <param name="Rows">At how many supports it is not zero.</param>
public sealed record CaseAudit(LoadCase Case, LoadTotals Totals, StatedTotal? Stated, IReadOnlyList<double> Shares, int Rows);

/// <summary>What an audit found.</summary>
/// <param name="Cases">Totals by case.</param>
/// <param name="Findings">What is doubtful, the gravest first.</param>
public sealed record AuditResult(IReadOnlyList<CaseAudit> Cases, IReadOnlyList<Finding> Findings);
