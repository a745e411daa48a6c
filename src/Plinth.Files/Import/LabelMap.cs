using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;

namespace Plinth.Files.Import;

/// <summary>Turns the model's labels into supports, and tells which are left out.</summary>
internal sealed class LabelMap(ImportSpec spec, PositionTable? positions, DiagnosticBag bag)
{
    private readonly Dictionary<string, string?> known = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> bySupport = new(StringComparer.Ordinal);

    /// <summary>The support of a label of the model; null: left out.</summary>
    /// <param name="label">The label.</param>
    /// <param name="place">Where it stands, for messages.</param>
    /// <param name="leftOut">Why it is left out; null where it is not, or is a fault.</param>
    public string? Support(string label, FilePlace place, out string? leftOut)
    {
        leftOut = null;
        if (known.TryGetValue(label, out var support))
        {
            return support;
        }

        support = Find(label, place, out leftOut);
        known[label] = support;
        if (support is not null && !bySupport.TryAdd(support, label))
        {
            bag.Error(place,
                $"\"{label}\" and \"{bySupport[support]}\" both become support \"{support}\"; labels must differ: mend [import.labels] or "
                    + "label-pattern");
        }

        return support;
    }

    private string? Find(string label, FilePlace place, out string? leftOut)
    {
        leftOut = null;
        if (spec.LeaveOut.Any(p => Pattern.Matches(label, p)))
        {
            leftOut = "leave-out";
            return null;
        }

        string? named = null;
        var mapped = spec.Labels.Count > 0 || spec.LabelPattern is not null || positions?.HasLabels == true;
        if (spec.Labels.TryGetValue(label, out var to))
        {
            named = to;
        }
        else if (positions?.Find(label)?.Label is { Length: > 0 } given)
        {
            named = given;
        }
        else if (spec.LabelPattern is { } pattern && pattern.IsMatch(label))
        {
            named = pattern.Replace(label, spec.LabelTo);
        }
        else if (!mapped)
        {
            named = label;
        }

        var name = named ?? label;
        if ((spec.LeaveOut.Count > 0 && spec.LeaveOut.Any(p => Pattern.Matches(name, p)))
            || (spec.Keep.Count > 0 && !spec.Keep.Any(p => Pattern.Matches(name, p) || Pattern.Matches(label, p))))
        {
            leftOut = spec.Keep.Count > 0 ? "not in keep" : "leave-out";
            return null;
        }

        if (named is null)
        {
            bag.Error(place,
                $"\"{label}\" has no support: it is not in [import.labels] and fits no label-pattern; add \"{label}\" = \"…\" there, or "
                    + $"leave-out = [\"{label}\"]");
            return null;
        }

        if (!SupportsReader.Label(named, "support", place, bag))
        {
            return null;
        }

        if (spec.KeepLevels.Count > 0)
        {
            if (positions?.Find(label)?.Position(spec.Axes, 2) is not { } level)
            {
                bag.Error(place,
                    $"keep-level needs the level of \"{label}\", which no table of positions gives; add [import.positions] with column z");
                return null;
            }

            if (!spec.KeepLevels.Any(k => Math.Abs(k - level) < 0.001))
            {
                leftOut = "not at keep-level";
                return null;
            }
        }

        return named;
    }
}
