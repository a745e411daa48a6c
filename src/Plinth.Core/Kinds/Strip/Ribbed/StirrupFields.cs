using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>Closer stirrups about the columns of a rib in files and commands, and what makes them impossible.</summary>
internal static class StirrupFields
{
    private const string Key = "stirrups";
    private const string ReachKey = "stirrup-reach";

    /// <summary>Their fields: <c>at.C2.stirrups = "T10 @ 150 mm"</c> with how far they reach from the column's centre.</summary>
    /// <param name="supports">Labels of the supports, in order.</param>
    public static IEnumerable<DesignField> Make(IReadOnlyList<string> supports) => supports.SelectMany((label, i) => At(label, i));

    private static IEnumerable<DesignField> At(string label, int column)
    {
        StirrupZone Of(FoundationDesign d) => ((RibDesign)d).Closer.At[column];
        FoundationDesign With(FoundationDesign d, StirrupZone other) =>
            (RibDesign)d with { Closer = ((RibDesign)d).Closer.With(column, other) };
        yield return new(["at", label, Key], FieldForm.Shaft)
        {
            Listed = false,
            Example = "\"T10 @ 150 mm\"",
            Get = d => Of(d).Any ? new FieldValue.Bars(Of(d).Stirrups) : null,
            Put = (d, v) => With(d,
                ((FieldValue.Bars)v).Spec is { Size: not null } bars ? Of(d) with { Stirrups = bars } : StirrupZone.None),
        };
        yield return Reaches.Field(["at", label, ReachKey], "[\"1200 mm\", \"1400 mm\"]",
            d => Of(d) is { Any: true } own ? (own.Low, own.High) : null, (d, low, high) => With(d, Of(d) with { Low = low, High = high }));
    }

    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">Its design.</param>
    /// <param name="units">Units of display.</param>
    public static (string Key, string Message)? Fault(Foundation foundation, RibDesign design, UnitSystem units)
    {
        string[] labels = [.. foundation.Places[0].Supports.Select(s => s.Label)];
        var keys = Make(labels).Select(f => f.Key).ToList();
        for (var i = 0; i < labels.Length; i++)
        {
            if (OfOne(design.Closer.At[i], design.Rib.Stirrups, keys[2 * i], keys[(2 * i) + 1], units) is { } fault)
            {
                return fault;
            }
        }

        return Overlap(foundation, design, labels, keys);
    }

    private static (string Key, string Message)? OfOne(in StirrupZone own, BarSpec elsewhere, string key, string reach, UnitSystem units)
    {
        if (own is { Any: false, Low: 0, High: 0 })
        {
            return null;
        }

        if (!own.Any)
        {
            return (reach, $"{reach} is given without stirrups; write {key} = \"{elsewhere.Size?.Name ?? "T10"} @ 150 mm\" beside it, or "
                + "delete it");
        }

        if (own.Stirrups is { Spacing: 0 } or { Hooked: true })
        {
            return (key, $"{key} \"{own.Stirrups}\": write how far apart they stand, for example \"{own.Stirrups.Size!.Name} @ 150 mm\"");
        }

        if (own.Stirrups.Size != elsewhere.Size)
        {
            return (key, $"{key}: they are as thick as those elsewhere, {elsewhere.Size?.Name ?? "none"} by {Key}; write "
                + $"\"{own.Stirrups with { Size = elsewhere.Size ?? own.Stirrups.Size }}\"");
        }

        if (own.Stirrups.Spacing > elsewhere.Spacing - 1e-9)
        {
            return (key, $"{key} \"{own.Stirrups}\" stand no closer than those elsewhere, {Dimension.Section(elsewhere.Spacing, units)} by "
                + $"{Key}; write less, or delete it");
        }

        return own.Low <= 0 || own.High <= 0
            ? (reach, $"{reach} is missing; write how far they reach from the column's centre to either side, for example "
                + "[\"1200 mm\", \"1400 mm\"]")
            : null;
    }

    // The first two about neighbouring columns that overlap.
    private static (string Key, string Message)? Overlap(Foundation foundation, RibDesign design, string[] labels, List<string> keys)
    {
        foreach (var place in foundation.Places)
        {
            var at = place.InOwnAxes();
            for (var i = 0; i + 1 < labels.Length; i++)
            {
                var (own, next) = (design.Closer.At[i], design.Closer.At[i + 1]);
                if (own.Any && next.Any && at[i].X + own.High > at[i + 1].X - next.Low + 1e-9)
                {
                    return (keys[(2 * i) + 1], $"closer stirrups about {labels[i]} and {labels[i + 1]} overlap; shorten them, or let all "
                        + "stand closer");
                }
            }
        }

        return null;
    }
}
