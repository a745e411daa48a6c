using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>Extra bars of a strip in files and commands, and what makes them impossible.</summary>
internal static class ExtraFields
{
    private const string Key = "extra";
    private const string ReachKey = "extra-reach";

    /// <summary>
    /// Their fields: <c>at.C2.extra = "3 T20"</c> with its reach, <c>between."C2+C3".extra</c> with where they begin and end.
    /// </summary>
    /// <param name="supports">Labels of the supports, in order.</param>
    /// <param name="get">The extra bars of a design.</param>
    /// <param name="put">A design with others.</param>
    public static IEnumerable<DesignField> Make(IReadOnlyList<string> supports, Func<FoundationDesign, ExtraLayout> get,
        Func<FoundationDesign, ExtraLayout, FoundationDesign> put)
    {
        for (var i = 0; i < supports.Count; i++)
        {
            foreach (var field in Zone(["at", supports[i]], true, i, get, put))
            {
                yield return field;
            }
        }

        for (var i = 0; i + 1 < supports.Count; i++)
        {
            foreach (var field in Zone(["between", ExtraLayout.Bay(supports, i)], false, i, get, put))
            {
                yield return field;
            }
        }
    }

    private static IEnumerable<DesignField> Zone(string[] within, bool bottom, int index, Func<FoundationDesign, ExtraLayout> get,
        Func<FoundationDesign, ExtraLayout, FoundationDesign> put)
    {
        ExtraBars Of(FoundationDesign d) => get(d).Of(bottom)[index];
        FoundationDesign With(FoundationDesign d, ExtraBars other) => put(d, get(d).With(bottom, index, other));
        yield return new([.. within, Key], FieldForm.Bars)
        {
            Listed = false,
            Example = "\"3 T20\"",
            Get = d => Of(d).Any ? new FieldValue.Bars(Of(d).Bars) : null,
            Put = (d, v) => With(d, ((FieldValue.Bars)v).Spec is { Size: not null } bars ? Of(d) with { Bars = bars } : ExtraBars.None),
        };
        yield return Reaches.Field([.. within, ReachKey], bottom ? "[\"1200 mm\", \"1400 mm\"]" : "[\"900 mm\", \"900 mm\"]",
            d => Of(d) is { Any: true } own ? (own.Low, own.High) : null, (d, low, high) => With(d, Of(d) with { Low = low, High = high }));
    }

    /// <summary>The key that is wrong and why; null: nothing is.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="extra">The extra bars.</param>
    /// <param name="through">Those of a face that run through, as they lie.</param>
    /// <param name="units">Units of display.</param>
    public static (string Key, string Message)? Fault(Foundation foundation, ExtraLayout extra, Func<bool, BarLayer> through,
        UnitSystem units)
    {
        string[] labels = [.. foundation.Places[0].Supports.Select(s => s.Label)];
        var fields = Make(labels, _ => extra, (d, _) => d).Select(f => f.Key).ToList();
        foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
        {
            var (all, layer) = (extra.Of(bottom), through(bottom));
            for (var i = 0; i < all.Length; i++)
            {
                var key = fields[2 * (bottom ? i : labels.Length + i)];
                if (OfOne(foundation, all[i], layer, bottom, i, key, units) is { } fault)
                {
                    return fault;
                }
            }
        }

        return Overlap(foundation, labels, extra, fields);
    }

    private static (string Key, string Message)? OfOne(Foundation foundation, in ExtraBars own, in BarLayer through, bool bottom, int index,
        string key, UnitSystem units)
    {
        var (along, reach) = (bottom ? "bottom-x" : "top-x", key + "-reach");
        if (own is { Any: false, Low: 0, High: 0 })
        {
            return null;
        }

        if (!own.Any)
        {
            return (reach, $"{reach} is given without bars; write {key} = \"3 {through.Size?.Name ?? "T16"}\" beside it, or delete it");
        }

        if (own.Bars is { Count: 0 } or { Hooked: true } or { Band: > 0 })
        {
            return (key, $"{key} \"{own.Bars}\": extra bars are counted and straight; write for example \"3 {own.Bars.Size!.Name}\"");
        }

        if (!through.Any)
        {
            return (key, $"{key}: extra bars lie beside bars that run through, and {along} has none");
        }

        if (own.Bars.Size != through.Size)
        {
            return (key, $"{key}: extra bars are as thick as those that run through, {through.Size!.Name} by {along}; write "
                + $"\"{own.Bars.Count} {through.Size.Name}\"");
        }

        if (own.Bars.Count > through.Count - 1)
        {
            return (key, $"{key}: each extra bar lies between two of the {through.Count} that run through, so that there are "
                + $"{through.Count - 1} at most; write fewer, or more in {along}");
        }

        return own.Low <= 0 || own.High <= 0
            ? (reach, $"{reach} is missing; write how far they reach from "
                + (bottom ? "the column's centre to either side" : "the columns' centres they begin and end")
                + ", for example [\"1200 mm\", \"1400 mm\"]")
            : Lying(foundation, own, bottom, index, reach, units);
    }

    // In a bay they must leave something of it; supports out of order have no bays.
    private static (string Key, string Message)? Lying(Foundation foundation, in ExtraBars own, bool bottom, int index, string reach,
        UnitSystem units)
    {
        foreach (var place in foundation.Places)
        {
            var at = place.InOwnAxes();
            if (Enumerable.Range(1, at.Count - 1).Any(i => at[i].X <= at[i - 1].X))
            {
                return (reach, "extra bars need the supports of the strip in the order in which they stand");
            }

            if (!bottom && at[index + 1].X - at[index].X - own.Low - own.High is var left && left <= 0)
            {
                return (reach, $"the columns stand {Dimension.Section(at[index + 1].X - at[index].X, units)} apart, so that nothing of the "
                    + "bars is left; write less, from either column's centre");
            }
        }

        return null;
    }

    // The first two over neighbouring columns that overlap.
    private static (string Key, string Message)? Overlap(Foundation foundation, string[] labels, ExtraLayout extra, List<string> fields)
    {
        foreach (var place in foundation.Places)
        {
            var at = place.InOwnAxes();
            for (var i = 0; i + 1 < labels.Length; i++)
            {
                if (extra.Over[i].Any && extra.Over[i + 1].Any
                    && at[i].X + extra.Over[i].High > at[i + 1].X - extra.Over[i + 1].Low + 1e-9)
                {
                    return (fields[(2 * i) + 1], $"the extra bars over {labels[i]} and {labels[i + 1]} overlap; shorten them, or let bars "
                        + "run through");
                }
            }
        }

        return null;
    }
}
