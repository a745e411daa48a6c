using System.Globalization;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <content>Foundations that adopted.toml alone states, and rules of piles by place.</content>
internal sealed partial class FoundationReader
{
    private void FromAdopted(AdoptedEntry entry)
    {
        if (byMark.TryGetValue(entry.Mark, out var described))
        {
            if (!described.Foundation.Places.Select(p => p.Name).ToHashSet()
                .SetEquals(entry.Places.Select(p => string.Join(", ", p.Supports))))
            {
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"),
                    $"[{entry.Mark}] belongs to {string.Join(", ", entry.Supports)} here, but to "
                        + $"{string.Join(", ", described.Foundation.Supports.Select(s => s.Label))} at {described.Place}; delete the table "
                        + "to have it sized anew");
            }
            else if (described.Foundation.Kind != entry.Kind)
            {
                bag.Error(entry.Spot("kind"),
                    $"[{entry.Mark}] is kind \"{entry.Kind.Id}\" here, but \"{described.Foundation.Kind.Id}\" at {described.Place}; delete "
                        + "the table to have it sized anew");
            }
            else if (entry.Places.FirstOrDefault(
                p => described.Foundation.Places.Single(d => d.Support.Label == p.Supports[0]).Lie != p.Lie) is { } other)
            {
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"),
                    $"[{entry.Mark}] lies otherwise at {other.Supports[0]} than at {described.Place}; make the two agree, or delete the "
                        + "table to have it sized anew");
            }

            return;
        }

        var labels = entry.Supports.ToList();
        foreach (var label in labels)
        {
            if (!supports.ContainsKey(label))
            {
                var near = Nearest.Of(label, supports.Keys);
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"),
                    $"[{entry.Mark}] stands under support \"{label}\", which supports.csv does not have; delete the table, or name "
                        + "the support"
                        + (near is null ? "" : $" (nearest: \"{near}\")"));
                return;
            }
        }

        if (entry.Places.All(p => p.Supports.Count < 2) || Stand(entry.Spot(entry.Alike ? "alike" : "supports"), entry.Places))
        {
            Add(entry.Mark, entry.Kind, entry.Places, entry.Alike, HeldValues.Nothing, rules, null, null, entry.Spot(""));
        }
    }

    // Own places stand in place of a layout, and know how many they are.
    private static void PlacesAgree(TableReader t, TableReader piles)
    {
        if (piles.Has("at"))
        {
            foreach (var key in (ReadOnlySpan<string>)["layout", "spacing", "turned", "offset-x", "offset-y"])
            {
                if (t.Has(key))
                {
                    t.Fault(key, $"{key} and piles.at ({piles.PlaceOf("at")}) are both given; own places stand in place of it: keep one");
                }
            }
        }
        else if (t.Node("layout") is { Value: string layout } && PileLayout.Find(layout.Trim()) is { } known
            && piles.Node("count") is { } count && count.Value is long or double
            && Convert.ToDouble(count.Value, CultureInfo.InvariantCulture) != known.Count)
        {
            t.Fault("layout",
                $"layout \"{known.Name}\" has {known.Count} piles, and piles.count ({piles.PlaceOf("count")}) holds another number; make "
                    + "the two agree");
        }
    }

    // What a table says of its piles, over what the ground says, read once for each.
    private PileRules PilesOf(TableReader? t, PileRules basis)
    {
        if (t is null)
        {
            return basis;
        }

        if (!pilesRead.TryGetValue((t, basis), out var read))
        {
            pilesRead.Add((t, basis), read = PileReader.Read(t.Inner("piles"), basis));
        }

        return read;
    }
}
