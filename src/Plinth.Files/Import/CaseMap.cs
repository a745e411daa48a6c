using System.Globalization;
using Plinth.Core.Loads;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;

namespace Plinth.Files.Import;

/// <summary>Turns the model's cases and steps into cases of the project.</summary>
internal sealed class CaseMap(ImportSpec spec, DiagnosticBag bag)
{
    private readonly Dictionary<string, int> known = new(StringComparer.Ordinal);
    private readonly Dictionary<string, Dictionary<string, int>> steps = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> byName = new(StringComparer.Ordinal);
    private readonly List<string> names = [];

    /// <summary>Left out by leave-out-cases or keep-cases.</summary>
    public const int LeftOut = -1;

    /// <summary>The cases met, in order.</summary>
    public IReadOnlyList<string> Names => names;

    /// <summary>The index of a case; <see cref="LeftOut"/> where it is left out or a fault.</summary>
    public int Find(ReadOnlySpan<char> text, ReadOnlySpan<char> step, FilePlace place)
    {
        if (step.IsEmpty)
        {
            return known.GetAlternateLookup<ReadOnlySpan<char>>().TryGetValue(text, out var index)
                ? index
                : Add(known, text.ToString(), text.ToString(), "", place);
        }

        if (!steps.GetAlternateLookup<ReadOnlySpan<char>>().TryGetValue(text, out var within))
        {
            within = steps[text.ToString()] = new Dictionary<string, int>(StringComparer.Ordinal);
        }

        return within.GetAlternateLookup<ReadOnlySpan<char>>().TryGetValue(step, out var found)
            ? found
            : Add(within, step.ToString(), text.ToString(), step.ToString(), place);
    }

    private int Add(Dictionary<string, int> into, string key, string text, string step, FilePlace place)
    {
        var renamed = spec.Cases.TryGetValue(text, out var to) ? to : text;
        var name = step.Length == 0 ? renamed : $"{renamed}/{step}";
        var index = LeftOut;
        if (text.Length == 0)
        {
            bag.Error(place, "this row names no case; carry-down = [\"case\"] repeats the one above, and skip leaves a row out");
        }
        else if (spec.LeaveOutCases.Any(p => Pattern.Matches(name, p))
            || (spec.KeepCases.Count > 0 && !spec.KeepCases.Any(p => Pattern.Matches(name, p))))
        {
            // Left out, and counted where it is met.
        }
        else if (LoadCase.HoldsExtremes(name))
        {
            bag.Error(place,
                string.Create(CultureInfo.InvariantCulture,
                    $"case \"{name}\" holds maxima or minima: each component is the extreme of another moment, so they never act together; "
                        + $"export the cases or steps themselves, or leave-out-cases = [{Toml.TomlText.Quote(name)}]"));
        }
        else if (SupportsReader.Label(name, "case", place, bag))
        {
            if (!byName.TryGetValue(name, out index))
            {
                index = names.Count;
                names.Add(name);
                byName[name] = index;
            }
        }

        into[key] = index;
        return index;
    }
}
