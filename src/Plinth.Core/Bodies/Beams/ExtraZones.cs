using Plinth.Core.Concrete;
using Plinth.Core.Figures;
using Plinth.Core.Schedules;

namespace Plinth.Core.Bodies;

/// <summary>All zones of extra bars along a strip.</summary>
internal sealed class ExtraZones
{
    private readonly ExtraZone[] over;
    private readonly ExtraZone[] between;
    private ExtraZone[] laid = [];

    /// <summary>Makes those over the columns of a trial and in its bays.</summary>
    public ExtraZones(Trial trial, IBarsAlong along, IReadOnlyList<Standing> columns)
    {
        Along = along;
        string[] labels = [.. columns.Select(c => c.Support.Label)];
        over = [.. columns.Select((c, i) => new ExtraZone(trial, i, labels[i], along, c, c))];
        between =
        [
            .. Enumerable.Range(0, columns.Count - 1).Select(i =>
                new ExtraZone(trial, columns.Count + i, ExtraLayout.Bay(labels, i), along, columns[i], columns[i + 1])),
        ];
    }

    /// <summary>What they are a part of.</summary>
    public IBarsAlong Along { get; }

    /// <summary>Those that have bars.</summary>
    public ReadOnlySpan<ExtraZone> Laid => laid;

    /// <summary>All of a face: over each column, or in each bay.</summary>
    public ReadOnlySpan<ExtraZone> Of(bool bottom) => bottom ? over : between;

    /// <summary>Whether a face has any.</summary>
    public bool Any(bool bottom) => laid.Length > 0 && Array.Exists(laid, z => z.Bottom == bottom);

    /// <summary>The most extra bars of a face in any zone.</summary>
    public int Most(bool bottom)
    {
        var most = 0;
        foreach (var z in laid)
        {
            most = z.Bottom == bottom ? Math.Max(most, z.Layer.Count) : most;
        }

        return most;
    }

    /// <summary>Whether some of a face run out to an end of the base.</summary>
    public bool RunsOut(bool bottom) => laid.Length > 0 && Array.Exists(laid, z => z.Bottom == bottom && (z.RunsOut(-1) || z.RunsOut(1)));

    /// <summary>Lays the bars; those that run through are laid before.</summary>
    public void Lay(ExtraLayout layout)
    {
        // How many lie in a face decides how near they stand: first all, then what follows from that.
        Put(layout);
        laid = [.. over.Where(z => z.Layer.Any), .. between.Where(z => z.Layer.Any)];
        Put(layout);
    }

    /// <summary>Takes all away.</summary>
    public void Clear()
    {
        if (laid.Length > 0)
        {
            foreach (var z in laid)
            {
                z.Clear();
            }

            laid = [];
        }
    }

    /// <summary>The zone that has bars in a section of a face; null: none has.</summary>
    public ExtraZone? At(bool bottom, double x)
    {
        foreach (var z in laid)
        {
            if (z.Bottom == bottom && x > z.From && x < z.To)
            {
                return z;
            }
        }

        return null;
    }

    /// <summary>Area of extra bars of a face that counts in a section, m2: what of them is developed on both sides.</summary>
    public double SteelAt(bool bottom, double x) => laid.Length > 0 && At(bottom, x) is { } z ? z.Share(x) * z.Layer.Area : 0;

    /// <summary>All as they lie.</summary>
    public IReadOnlyList<ExtraRun> Runs()
    {
        var (list, cover) = (new List<ExtraRun>(), over[0].Rules.Concrete.CoverSide);
        foreach (var z in laid)
        {
            var (low, high, hooked) = (z.RunsOut(-1), z.RunsOut(1), Along.Layer(z.Bottom).Hooked);
            list.Add(new(z.Bottom, z.Where, z.Layer, low ? Along.Low + cover : z.From, high ? Along.High - cover : z.To,
                (hooked && low, hooked && high), BarPositions.Spread(Along.Beside(z.Bottom), z.Layer.Count)));
        }

        return list;
    }

    private void Put(ExtraLayout layout)
    {
        for (var i = 0; i < over.Length; i++)
        {
            over[i].Lay(layout.Over[i]);
        }

        for (var i = 0; i < between.Length; i++)
        {
            between[i].Lay(layout.Between[i]);
        }
    }
}
