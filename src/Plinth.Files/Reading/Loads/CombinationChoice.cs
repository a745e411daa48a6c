using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>What combinations and leave-out of a foundation say.</summary>
/// <param name="Only">Those to check; empty: all.</param>
/// <param name="LeaveOut">Those to leave out.</param>
internal sealed record ChoiceText(IReadOnlyList<(string Text, FilePlace Place)> Only,
    IReadOnlyList<(string Text, FilePlace Place)> LeaveOut);

/// <summary>Collects the choices of combinations by foundation and applies them once all combinations are known.</summary>
internal sealed class CombinationChoice(DiagnosticBag bag)
{
    private static readonly Family[] Needed = [Family.Ground, Family.Sliding, Family.Overturning, Family.Uplift, Family.Concrete];
    private readonly Dictionary<string, ChoiceText> bySupport = new(StringComparer.Ordinal);

    /// <summary>Reads the keys of a foundation; null if neither is there.</summary>
    public static ChoiceText? Read(TableReader t)
    {
        ArgumentNullException.ThrowIfNull(t);
        var (only, leaveOut) = (t.Texts("combinations"), t.Texts("leave-out"));
        return only is null && leaveOut is null ? null : new ChoiceText(only ?? [], leaveOut ?? []);
    }

    /// <summary>Keeps the choice of the foundation under some supports.</summary>
    public void Add(IReadOnlyList<string> supports, ChoiceText choice) => bySupport[supports[0]] = choice;

    /// <summary>
    /// The foundations with their combinations; a choice that leaves a family of checks without any is an error, for its checks would
    /// vanish.
    /// </summary>
    public List<Foundation> Apply(IReadOnlyList<Foundation> foundations, CombinationSet all)
    {
        var result = new List<Foundation>();
        foreach (var f in foundations)
        {
            if (!bySupport.TryGetValue(f.Places[0].Support.Label, out var choice))
            {
                result.Add(f);
                continue;
            }

            foreach (var (text, place) in choice.Only.Concat(choice.LeaveOut))
            {
                if (!all.Used.Any(c => Pattern.Matches(c.Name, text)))
                {
                    var near = Nearest.Of(text, all.Used.Select(c => c.Name));
                    bag.Error(place,
                        $"foundation {f.Mark}: no combination is named \"{text}\"; "
                            + (near is null ? "plinth combos lists them" : $"did you mean \"{near}\"?"));
                }
            }

            var set = all.Where(c => (choice.Only.Count == 0 || choice.Only.Any(p => Pattern.Matches(c.Name, p.Text)))
                && !choice.LeaveOut.Any(p => Pattern.Matches(c.Name, p.Text)));
            var lacking = Needed.Where(n => set.For(n).Length == 0 && all.For(n).Length > 0).Aggregate(Family.None, (a, b) => a | b);
            foreach (var family in FamilyWords.Of(lacking))
            {
                bag.Error(choice.Only.Concat(choice.LeaveOut).First().Place,
                    $"foundation {f.Mark}: this choice leaves no combination for {family}, so those checks would not be done; name one of "
                        + "its combinations too");
            }

            result.Add(f with
            {
                Chosen = new ChosenCombinations(set, all.Used.Length, [.. choice.Only.Select(p => p.Text)],
                [.. choice.LeaveOut.Select(p => p.Text)])
            });
        }

        return result;
    }
}

/// <summary>Patterns of names: * for any letters, ? for one.</summary>
public static class Pattern
{
    /// <summary>Whether a name matches; a pattern without * and ? is compared exactly.</summary>
    public static bool Matches(string name, string pattern) =>
        pattern.AsSpan().IndexOfAny("*?") >= 0
            ? System.IO.Enumeration.FileSystemName.MatchesSimpleExpression(pattern, name, ignoreCase: false)
            : string.Equals(name, pattern, StringComparison.Ordinal);

    /// <summary>Whether a mark or pattern names a foundation: by its own mark, or a row by that of its grid.</summary>
    public static bool Names(string pattern, Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return Matches(foundation.Mark, pattern) || (foundation.Row is { } row && row.Grid == pattern);
    }
}
