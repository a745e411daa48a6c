using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <content>Whether several supports can stand on one base, and alike at several places.</content>
internal sealed partial class FoundationReader
{
    // Whether the places of a design under several supports are what one design can stand at.
    private bool Agree(TableReader t, FoundationKind kind, IReadOnlyList<WrittenPlace> places)
    {
        var place = t.PlaceOf(t.Has("alike") ? "alike" : "supports");
        foreach (var (labels, lie) in places)
        {
            if (labels.GroupBy(l => l, StringComparer.Ordinal).FirstOrDefault(g => g.Count() > 1) is { } twice)
            {
                bag.Error(place, $"support \"{twice.Key}\" stands twice in one list; name each support once");
                return false;
            }

            if (labels.Count != places[0].Supports.Count)
            {
                bag.Error(place,
                    $"one design is for {places[0].Supports.Count} support{(places[0].Supports.Count == 1 ? "" : "s")} at "
                        + $"{places[0].Supports[0]} and for {labels.Count} at {labels[0]}; give each number a mark of its own");
                return false;
            }

            if (labels.Count > 1 && lie != Lie.AsDrawn)
            {
                bag.Error(place,
                    "a base under several supports lies by their order, which says how it is turned; write the supports of "
                        + $"{string.Join(", ", labels)} in the order in which they stand, without turned and mirrored");
                return false;
            }
        }

        if (!kind.BearsOnGround)
        {
            foreach (var key in (string[])["edge-x0", "edge-x1", "edge-y0", "edge-y1"])
            {
                if (t.Has(key))
                {
                    t.Fault(key,
                        $"{key} is not for a {kind.Title}, which lies round its piles; write length and width, or offset-x and offset-y");
                    return false;
                }
            }
        }

        if (places[0].Supports.Count < 2)
        {
            return true;
        }

        foreach (var key in (string[])["angle", "shift-x", "shift-y"])
        {
            if (t.Has(key))
            {
                t.Fault(key,
                    $"{key} is not for a base under several supports, which lies along them; write offset-x, offset-y or hold an edge");
                return false;
            }
        }

        return places.All(p => p.Supports.All(supports.ContainsKey)) is false || Stand(place, places);
    }

    // Supports of one base stand apart, and alike at all places.
    private bool Stand(FilePlace place, IReadOnlyList<WrittenPlace> places)
    {
        var first = Own(places[0].Supports);
        foreach (var (labels, _) in places)
        {
            var own = Own(labels);
            for (var i = 0; i < own.Count; i++)
            {
                for (var j = i + 1; j < own.Count; j++)
                {
                    if (Math.Abs(own[i].X - own[j].X) + Math.Abs(own[i].Y - own[j].Y) < Apart)
                    {
                        bag.Error(place,
                            $"supports \"{labels[i]}\" and \"{labels[j]}\" stand at one point; mend their places in supports.csv, or carry "
                                + "one of them");
                        return false;
                    }
                }

                if (!Place.StandAlike(own[i], first[i]))
                {
                    bag.Error(place,
                        $"{string.Join(", ", labels)} stand otherwise than {string.Join(", ", places[0].Supports)}: \"{labels[i]}\" by "
                            + $"{Math.Max(Math.Abs(own[i].X - first[i].X), Math.Abs(own[i].Y - first[i].Y)) * 1000:0.#} mm; one design is "
                            + "for places alike to 1 mm: give them marks of their own");
                    return false;
                }
            }
        }

        return true;

        // From the first support, along the line to the last.
        List<PlanPoint> Own(IReadOnlyList<string> labels)
        {
            var at = labels.Select(l => supports[l].Support).ToList();
            var angle = Math.Atan2(at[^1].Y - at[0].Y, at[^1].X - at[0].X);
            var (sin, cos) = (Math.Sin(angle), Math.Cos(angle));
            return [
                .. at.Select(s => new PlanPoint(((s.X - at[0].X) * cos) + ((s.Y - at[0].Y) * sin),
                    ((s.Y - at[0].Y) * cos) - ((s.X - at[0].X) * sin)))];
        }
    }

    // Nearer than this supports stand at one point, and places are alike, m.
    private const double Apart = 0.001;
}
