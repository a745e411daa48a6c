using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>Where the ties of a pedestal stand, and the cross-ties that each level has.</summary>
/// <param name="Levels">Heights over the top of the base, rising, m.</param>
/// <param name="AlongY">Distances along x of the cross-ties that run along y, from the pedestal's centre, m.</param>
/// <param name="AlongX">Distances along y of the cross-ties that run along x, m.</param>
public sealed record PedestalTies(IReadOnlyList<double> Levels, IReadOnlyList<double> AlongY, IReadOnlyList<double> AlongX)
{
    // The lowest stands so far over the base, and those round anchor bolts so far apart, m.
    private const double First = 0.025;
    private const double Between = 0.05;

    /// <summary>
    /// Ties at their spacing from the base up, the last under the top's cover; round anchor bolts as many near the top as the code asks.
    /// </summary>
    /// <param name="code">The design code.</param>
    /// <param name="rules">The rules of the foundation.</param>
    /// <param name="support">What the pedestal carries: a steel column stands on anchor bolts.</param>
    /// <param name="pedestal">The pedestal, its bars and ties stated.</param>
    /// <param name="height">Its height, m.</param>
    public static PedestalTies Of(ConcreteCode code, RuleSet rules, Support support, Pedestal pedestal, double height)
    {
        ArgumentNullException.ThrowIfNull(code);
        ArgumentNullException.ThrowIfNull(rules);
        ArgumentNullException.ThrowIfNull(support);
        ArgumentNullException.ThrowIfNull(pedestal);
        if (pedestal is not { Ties: { Size: { } tie, Spacing: > 0 and var spacing }, Bars.Size: { } bar })
        {
            return new([], [], []);
        }

        var cover = rules.Pedestal.Cover;
        var top = Math.Max(First, height - cover);
        var levels = Enumerable.Range(0, (int)Math.Ceiling((height / spacing) - 1e-9) + 1)
            .Select(i => Math.Min((i * spacing) + First, top))
            .Distinct()
            .ToList();
        if (support.Shape == ColumnShape.Steel && pedestal.Socket is null)
        {
            var (within, count) = code.TopTies(tie.Diameter);
            var step = Math.Min(Between, (within - cover) / Math.Max(1, count - 1));
            for (var i = 1; i < count && levels.Count(l => l >= height - within - 1e-9) < count && top - (i * step) > First; i++)
            {
                // One that would touch it stands there instead, though a hair lower it would not count.
                var extra = top - (i * step);
                levels.RemoveAll(l => Math.Abs(l - extra) <= tie.Diameter);
                levels.Add(extra);
            }
        }

        levels.Sort();
        if (pedestal.Round || pedestal.Socket is not null)
        {
            return new(levels, [], []);
        }

        var toCentre = cover + tie.Diameter + (bar.Diameter / 2);
        var (x, y) = (pedestal.SizeX - (2 * toCentre), pedestal.SizeY - (2 * toCentre));
        var (nx, ny) = ColumnSection.Sides(pedestal.Bars.Count, x, y);
        return new(levels, Held(nx, x, bar.Diameter, code.MostUnheld), Held(ny, y, bar.Diameter, code.MostUnheld));
    }

    // Corner bars stand in the corners of the tie; between them every other bar is held, or each where they stand farther apart than one
    // may from a held one (25.7.2.3).
    private static List<double> Held(int bars, double length, double diameter, double most)
    {
        var gap = length / (bars - 1);
        var all = gap - diameter > most + 1e-9;
        return [.. Enumerable.Range(1, Math.Max(0, bars - 2)).Where(i => all || i % 2 == 0).Select(i => (-length / 2) + (i * gap))];
    }
}
