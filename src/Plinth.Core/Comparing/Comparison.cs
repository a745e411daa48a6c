using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Comparing;

/// <summary>A value of a support in a case that changed.</summary>
/// <param name="Support">The support.</param>
/// <param name="Case">The case.</param>
/// <param name="Component">N, Fx, Fy, Mx or My of the action.</param>
/// <param name="Before">kN or kNm.</param>
/// <param name="After">kN or kNm.</param>
public sealed record ActionChange(string Support, string Case, string Component, double Before, double After);

/// <summary>What became of a foundation.</summary>
public enum Fate
{
    /// <summary>It passed and fails now.</summary>
    FailsNow,

    /// <summary>It failed and fails still.</summary>
    FailsStill,

    /// <summary>It is not sized now.</summary>
    NotSized,

    /// <summary>It is new and passes.</summary>
    Came,

    /// <summary>It is no more.</summary>
    Went,

    /// <summary>It failed and passes now.</summary>
    PassesAgain,

    /// <summary>It passes with room to shrink.</summary>
    HasRoom,

    /// <summary>It passes, but another check or combination governs.</summary>
    GovernedOtherwise,

    /// <summary>It passes as before.</summary>
    AsBefore,
}

/// <summary>A foundation before and after.</summary>
/// <param name="Mark">Its mark.</param>
/// <param name="Supports">Its supports now, or then if it is no more.</param>
/// <param name="Before">Its governing check then; null: it was not there or not sized.</param>
/// <param name="After">Its governing check now; null: it is not there or not sized.</param>
/// <param name="Fate">What became of it.</param>
/// <param name="DesignChanged">Whether its sizes or bars differ, so that not loads alone changed.</param>
public sealed record FoundationChange(string Mark, IReadOnlyList<string> Supports, CheckResult? Before, CheckResult? After, Fate Fate,
    bool DesignChanged)
{
    /// <summary>The mark that carries its first support now, where its own is gone; null: none.</summary>
    public string? NowIn { get; init; }
}

/// <summary>One state of a project.</summary>
/// <param name="Project">The project.</param>
/// <param name="Designs">What is adopted, with its results, by mark; null: not sized.</param>
public sealed record ProjectState(Project Project,
    IReadOnlyDictionary<string, (FoundationDesign Design, FoundationResult Result)?> Designs);

/// <summary>Two states of a project, and what differs.</summary>
/// <param name="Actions">Changed values, the largest of each support and case.</param>
/// <param name="CasesCame">Cases that are new.</param>
/// <param name="CasesWent">Cases that are no more.</param>
/// <param name="SupportsCame">Supports that are new.</param>
/// <param name="SupportsWent">Supports that are no more.</param>
/// <param name="SupportsMoved">Supports that stand elsewhere.</param>
/// <param name="Foundations">Foundations, the gravest first.</param>
public sealed record Comparison(
    IReadOnlyList<ActionChange> Actions,
    IReadOnlyList<string> CasesCame,
    IReadOnlyList<string> CasesWent,
    IReadOnlyList<string> SupportsCame,
    IReadOnlyList<string> SupportsWent,
    IReadOnlyList<string> SupportsMoved,
    IReadOnlyList<FoundationChange> Foundations)
{
    private const double Floor = 0.005;
    private const double Moves = 0.001;
    private static readonly (string Name, bool IsMoment, Func<SupportAction, double> Of)[] Components =
        [("N", false, a => a.N), ("Fx", false, a => a.Fx), ("Fy", false, a => a.Fy), ("Mx", true, a => a.Mx), ("My", true, a => a.My)];

    /// <summary>Compares.</summary>
    /// <param name="before">The older state.</param>
    /// <param name="after">The newer state.</param>
    /// <param name="tolerance">Share of a value up to which a change is none; beside it a change counts only above 0.5 % of the largest
    /// value of its kind in the case.</param>
    /// <param name="room">Utilisation below which a foundation has room to shrink.</param>
    public static Comparison Of(ProjectState before, ProjectState after, double tolerance, double room)
    {
        ArgumentNullException.ThrowIfNull(before);
        ArgumentNullException.ThrowIfNull(after);
        var (old, now) = (before.Project, after.Project);
        var oldSupports = old.Supports.ToDictionary(s => s.Label, StringComparer.Ordinal);
        var both = now.Supports.Where(s => oldSupports.ContainsKey(s.Label)).ToList();
        var (oldCases, nowCases) = (Cases(old), Cases(now));
        return new Comparison(
            [.. nowCases.Where(c => oldCases.ContainsKey(c.Key))
                .SelectMany(c => Changes(old, oldCases[c.Key], now, c.Value, c.Key, both, tolerance))],
            [.. nowCases.Keys.Where(c => !oldCases.ContainsKey(c))],
            [.. oldCases.Keys.Where(c => !nowCases.ContainsKey(c))],
            [.. now.Supports.Select(s => s.Label).Where(l => !oldSupports.ContainsKey(l))],
            [.. old.Supports.Select(s => s.Label).Where(l => !now.Actions.ContainsKey(l))],
            [
                .. both.Where(s => Math.Abs(s.X - oldSupports[s.Label].X) > Moves || Math.Abs(s.Y - oldSupports[s.Label].Y) > Moves
                    || s.Level != oldSupports[s.Label].Level).Select(s => s.Label)],
            [.. Fates(before, after, room)
                .OrderBy(f => f.Fate)
                .ThenByDescending(f => f.After?.Utilisation ?? 0)
                .ThenBy(f => f.Mark, MarkOrder.Natural)]);
    }

    private static Dictionary<string, int> Cases(Project p) =>
        Enumerable.Range(0, p.Cases.Count)
            .Where(k => p.Cases[k].HasReactions)
            .GroupBy(k => p.Cases[k].Source)
            .ToDictionary(g => g.Key, g => g.First(), StringComparer.Ordinal);

    private static IEnumerable<ActionChange> Changes(Project old, int oldCase, Project now, int nowCase, string name,
        IReadOnlyList<Support> supports, double tolerance)
    {
        double Largest(bool moment) =>
            supports.Select(s => Components.Where(c => c.IsMoment == moment)
                .Max(c => Math.Max(Math.Abs(c.Of(now.Actions[s.Label][nowCase])), Math.Abs(c.Of(old.Actions[s.Label][oldCase])))))
                .DefaultIfEmpty(0).Max();
        var (forces, moments) = (Floor * Largest(false), Floor * Largest(true));
        foreach (var s in supports)
        {
            ActionChange? most = null;
            var weight = 0.0;
            foreach (var (component, isMoment, of) in Components)
            {
                var (a, b) = (of(old.Actions[s.Label][oldCase]), of(now.Actions[s.Label][nowCase]));
                var floor = isMoment ? moments : forces;
                var change = Math.Abs(b - a);
                if (change > floor && change > tolerance * Math.Max(Math.Abs(a), Math.Abs(b)) && change / floor > weight)
                {
                    (most, weight) = (new ActionChange(s.Label, name, component, a, b), change / floor);
                }
            }

            if (most is not null)
            {
                yield return most;
            }
        }
    }

    private static IEnumerable<FoundationChange> Fates(ProjectState before, ProjectState after, double room)
    {
        var old = before.Project.Foundations.ToDictionary(f => f.Mark, StringComparer.Ordinal);
        foreach (var f in after.Project.Foundations)
        {
            var was = before.Designs.GetValueOrDefault(f.Mark);
            var known = old.Remove(f.Mark);
            string[] supports = [.. f.Supports.Select(s => s.Label)];
            if (after.Designs.GetValueOrDefault(f.Mark) is not { } now)
            {
                yield return new FoundationChange(f.Mark, supports, was?.Result.Governing, null, Fate.NotSized, false);
                continue;
            }

            var (a, b) = (was?.Result, now.Result);
            var fate = !b.Passes ? (a?.Passes == false ? Fate.FailsStill : Fate.FailsNow)
                : !known || a is null ? Fate.Came
                : !a.Passes ? Fate.PassesAgain
                : b.Governing.Utilisation < room ? Fate.HasRoom
                : a.Governing.Id != b.Governing.Id || a.Governing.Combination != b.Governing.Combination ? Fate.GovernedOtherwise
                : Fate.AsBefore;
            yield return new FoundationChange(f.Mark, supports, a?.Governing, b.Governing, fate, was is { } w && w.Design != now.Design);
        }

        foreach (var f in old.Values)
        {
            yield return new FoundationChange(f.Mark, [.. f.Supports.Select(s => s.Label)],
                before.Designs.GetValueOrDefault(f.Mark)?.Result.Governing, null, Fate.Went, false)
            {
                NowIn = after.Project.Foundations.FirstOrDefault(o => o.Supports.Any(s => s.Label == f.Places[0].Support.Label))?.Mark,
            };
        }
    }
}
