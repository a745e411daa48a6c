using Plinth.Core.Figures;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.Combined;

/// <content>How its bars lie.</content>
public partial class CombinedTrial
{
    /// <inheritdoc/>
    public override IReadOnlyList<BarRun> Runs(bool alongX, bool bottom)
    {
        var side = Rules.Concrete.CoverSide;
        if (alongX)
        {
            var widest = Math.Max(Body.LowWidth, Body.HighWidth);
            return Long.Layer(bottom).Any
                ? [new("", Long.Layer(bottom), Long.Depth(bottom), BarPositions.Across(Long.Layer(bottom), widest, side, []))]
                : [];
        }

        if (!bottom)
        {
            var middle = (Body.LowX + Body.HighX) / 2;
            return top.Layer(false).Any
                ? [new("", top.Layer(false), top.Depth(false),
                    [.. BarPositions.Across(top.Layer(false), Body.Length, side, []).Select(x => x + middle)])]
                : [];
        }

        var runs = bands.Where(b => b.Layer(true).Any)
            .Select(b => new BarRun("at " + b.First.Support.Label, b.Layer(true), b.Depth(true),
                [.. Even(b.From, b.To, b.Layer(true).Count)]))
            .ToList();
        return rest.Layer(true).Any ? [.. runs, new("between", rest.Layer(true), rest.Depth(true), RestAt())] : runs;
    }

    /// <summary>
    /// Where the bottom bars across lie along x between the bands, m from the body's centroid: as many to each free length as it has of
    /// their breadth.
    /// </summary>
    internal IReadOnlyList<double> RestAt()
    {
        var free = new List<(double From, double To)>();
        var at = Body.LowX;
        foreach (var b in bands)
        {
            if (b.From > at + 1e-6)
            {
                free.Add((at, b.From));
            }

            at = Math.Max(at, b.To);
        }

        if (Body.HighX > at + 1e-6)
        {
            free.Add((at, Body.HighX));
        }

        // The largest remainders take what is left over, the first of equals.
        var (count, breadth) = (rest.Layer(true).Count, free.Sum(f => f.To - f.From));
        var shares = free.Select(f => count * (f.To - f.From) / breadth).ToList();
        var given = shares.Select(s => (int)Math.Floor(s + 1e-9)).ToList();
        foreach (var i in Enumerable.Range(0, shares.Count)
            .OrderByDescending(i => Math.Round(shares[i] - given[i], 9))
            .ThenBy(i => i)
            .Take(count - given.Sum())
            .ToList())
        {
            given[i]++;
        }

        return [.. free.SelectMany((f, i) => Even(f.From, f.To, given[i]))];
    }

    /// <summary>Where bars lie in a strip whose edges are no edges of the base: each in the middle of an equal part, m.</summary>
    internal static IEnumerable<double> Even(double from, double to, int count) =>
        Enumerable.Range(0, count).Select(i => from + ((to - from) * (i + 0.5) / count));
}
