using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <content>Lengths of the edge base.</content>
internal sealed partial class StrapSizer
{
    // Lengths on which the edge column stands with its least overhang, and that leave a gap before the inner column.
    private List<double> EdgeLengths()
    {
        if (Held(0, "length") is { } held)
        {
            return [held];
        }

        var (before, face, clear) = Reach();
        return [.. sides.Where(l => l >= before + (face / 2) + rules.LeastOverhang - 1e-9 && l < before + clear && l < longest)];
    }

    // From the edge base's −x end to its column, the column's side, and from its middle to the inner column's face, at the first place.
    private (double Before, double Face, double Clear) Reach()
    {
        var (t, before, face, clear) = (trials[0], 0.0, 0.0, double.PositiveInfinity);
        foreach (var trial in trials)
        {
            t = trial;
            before = Math.Max(before, StrapPlace.Edge(Foundation.Held).From(t.Columns[0].Outline.FaceX));
            face = Math.Max(face, t.Columns[0].Outline.FaceX);
            clear = Math.Min(clear, t.Place.Supports[1].At.X - t.Place.Supports[0].At.X - (t.Columns[1].Outline.FaceX / 2));
        }

        return (before, face, clear);
    }

    // Under the sustained combination the inner base must be pressed, whatever its size: from N2 − N1·(s − s')/s' > 0 the longest edge
    // base.
    private SizingStop? Lifts()
    {
        foreach (var t in trials)
        {
            if (t.Sustained is not (>= 0 and var k))
            {
                continue;
            }

            var (first, last) = (t.Columns[0], t.Columns[1]);
            var span = t.Place.Supports[1].At.X - t.Place.Supports[0].At.X;
            var (n1, n2) = (first.Loaded.Sums[k].N, last.Loaded.Sums[k].N);
            var before = StrapPlace.Edge(Foundation.Held).From(first.Outline.FaceX);
            if (n1 <= 0 || n1 + n2 <= 0)
            {
                continue;
            }

            var most = 2 * (before + (span * Math.Max(0, n2) / (n1 + n2)));
            longest = Math.Min(longest, most);
            if ((Held(0, "length") ?? before + (first.Outline.FaceX / 2)) >= most - 1e-9)
            {
                string L(double v) => Dimension.Plan(v, Project.Units);
                return new SizingStop(null, t.Place.Place.Name, t.Combinations[k].Name, 0,
                    $"the inner base would lift under {t.Combinations[k].Name}: the edge column brings "
                        + $"{Unit.Force.FormatWithSymbol(n1, Project.Units)}, the inner one "
                        + $"{Unit.Force.FormatWithSymbol(n2, Project.Units)}; "
                        + (most > before + (first.Outline.FaceX / 2)
                            ? $"edge.length below {L(most)} would keep it down"
                            : "no length of the edge base would keep it down: choose an inner column with more load"), null);
            }
        }

        return null;
    }
}
