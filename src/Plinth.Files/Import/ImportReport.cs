using Plinth.Core.Loads;

namespace Plinth.Files.Import;

/// <summary>What was left out of an import, and why.</summary>
/// <param name="Reason">Why.</param>
/// <param name="Rows">How many rows.</param>
/// <param name="Examples">The first of them.</param>
public sealed record LeftOut(string Reason, int Rows, IReadOnlyList<string> Examples);

/// <summary>Control totals of a case.</summary>
/// <param name="Case">The case.</param>
/// <param name="Supports">At how many supports it has a row.</param>
/// <param name="Totals">Sum of the actions.</param>
/// <param name="Symbol">Its symbol in [cases]; null: it has none yet.</param>
/// <param name="Proposed">The symbol that its name suggests; null: none.</param>
public sealed record CaseTotals(string Case, int Supports, LoadTotals Totals, string? Symbol, string? Proposed);

/// <summary>What an import read, left out, changed.</summary>
/// <param name="Read">The tables read, a line each: file, rows, form as found.</param>
/// <param name="Rows">Rows of reactions written.</param>
/// <param name="Supports">Supports with reactions.</param>
/// <param name="LeftOut">What was left out.</param>
/// <param name="Cases">Control totals by case, in the order they came.</param>
/// <param name="HasPositions">Whether positions are known, so that moments about the origin mean something.</param>
/// <param name="Came">Supports that are new.</param>
/// <param name="Went">Supports that are no more: the rows they had.</param>
/// <param name="Moved">Supports that stand elsewhere: what changed.</param>
/// <param name="Kept">Values written by hand that differ from the tables and were kept.</param>
/// <param name="SupportsText">The new supports.csv; null: it stays as it is.</param>
public sealed record ImportReport(
    IReadOnlyList<string> Read,
    int Rows,
    int Supports,
    IReadOnlyList<LeftOut> LeftOut,
    IReadOnlyList<CaseTotals> Cases,
    bool HasPositions,
    IReadOnlyList<string> Came,
    IReadOnlyList<string> Went,
    IReadOnlyList<string> Moved,
    IReadOnlyList<string> Kept,
    string? SupportsText);
