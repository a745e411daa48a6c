using System.Collections.Concurrent;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;

namespace Plinth.Core.Sizing;

/// <summary>The plan sizes that sizing may try, in the order in which it prefers them: by area, then by nearness to a square.</summary>
public static class PlanCandidates
{
    private readonly record struct Key(SizingRules Rules, double? Length, double? Width);

    private static readonly ConcurrentDictionary<Key, (double Length, double Width)[]> Cache = new();

    /// <summary>The candidates under rules and held sides, smallest area first.</summary>
    /// <param name="rules">Bounds and steps.</param>
    /// <param name="length">Held side along x, m, or null.</param>
    /// <param name="width">Held side along y, m, or null.</param>
    public static IReadOnlyList<(double Length, double Width)> Of(SizingRules rules, double? length, double? width) =>
        Cache.GetOrAdd(new Key(rules, length, width), static key => Build(key.Rules, key.Length, key.Width));

    /// <summary>Whole multiples of a step within bounds, m.</summary>
    public static double[] Steps(double least, double most, double step)
    {
        var first = (long)Math.Ceiling((least / step) - 1e-9);
        var last = (long)Math.Floor((most / step) + 1e-9);
        var result = new double[Math.Max(0, last - first + 1)];
        for (var i = 0; i < result.Length; i++)
        {
            // Rounded to the micrometre so that 12 × 50 mm is 0.6 m, as it is written.
            result[i] = Math.Round((first + i) * step, 6);
        }

        return result;
    }

    private static (double Length, double Width)[] Build(SizingRules rules, double? length, double? width)
    {
        if (length is { } l && width is { } w)
        {
            return [(l, w)];
        }

        var steps = Steps(rules.LeastPlan, rules.MostPlan, rules.PlanStep);
        if (length is { } heldLength)
        {
            return [.. steps.Select(b => (heldLength, b))];
        }

        if (width is { } heldWidth)
        {
            return [.. steps.Select(a => (a, heldWidth))];
        }

        if (rules.Ratio is { } ratio)
        {
            return [
                .. steps.Select(b => (Length: Math.Round(Math.Ceiling((ratio * b / rules.PlanStep) - 1e-6) * rules.PlanStep, 6), Width: b))
                    .Where(p => p.Length >= rules.LeastPlan - 1e-9 && p.Length <= rules.MostPlan + 1e-9)
                    .OrderBy(p => Math.Round(p.Length * p.Width, 9))];
        }

        if (rules.Shape == PlanShape.Square)
        {
            return [.. steps.Select(a => (a, a))];
        }

        var most = rules.Aspect + 1e-9;
        return [.. steps.SelectMany(a => steps.Where(b => a <= b * most && b <= a * most).Select(b => (Length: a, Width: b)))
            .OrderBy(p => Math.Round(p.Length * p.Width, 9)).ThenBy(p => Math.Abs(p.Length - p.Width)).ThenByDescending(p => p.Length)];
    }
}

/// <summary>What stopped sizing: the check that fails at the bound, and the bound to relax.</summary>
/// <param name="Check">Id of the check; null where no base of the range fits the column or levels.</param>
/// <param name="Place">Where.</param>
/// <param name="Combination">Under which combination; null if it does not depend on loads.</param>
/// <param name="Utilisation">Its utilisation at the bound.</param>
/// <param name="Bound">The bound to relax, with its value.</param>
/// <param name="Note">What the check says.</param>
public sealed record SizingStop(string? Check, string? Place, string? Combination, double Utilisation, string Bound, string? Note)
{
    /// <summary>The same in a sentence.</summary>
    public string Reason => Check is null ? Bound
        : $"{Wording.Check(Check)}{(Combination is null ? "" : " under " + Combination)} still at "
            + $"{Wording.Utilisation(Utilisation, false)}; bound: {Bound}"
            + (Note is null ? "" : $" ({Note})");
}

/// <summary>A step of the search.</summary>
/// <param name="What">What was tried or found.</param>
/// <param name="Size">The size.</param>
public readonly record struct SizingStep(string What, BaseSize Size);

/// <summary>What sizing found for a foundation.</summary>
/// <param name="Design">The design; null if none passes within the bounds.</param>
/// <param name="Stop">What stopped it; null if a design was found.</param>
/// <param name="Steps">What the search did.</param>
public sealed record SizingResult(FoundationDesign? Design, SizingStop? Stop, IReadOnlyList<SizingStep> Steps)
{
    /// <summary>The design's checks, where they were asked for.</summary>
    public Checks.FoundationResult? Checked { get; init; }

    /// <summary>The foundation as it shares its columns with other rows of a grid by what was found; null: it shares none.</summary>
    public Foundation? Stands { get; init; }
}
