using System.Collections.Concurrent;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;

namespace Plinth.Core.Grids;

/// <summary>
/// What each row of a grid of strips carries of the columns at which it crosses others: so much that in every combination both rows sink
/// alike there. Each bends along and turns freely about its own x, so that a crossing passes on forces alone.
/// </summary>
public sealed class GridCoupling
{
    // Of all actions: rows that carry none share none.
    private const double Nothing = 1e-6;

    private const int Waters = 3;

    private readonly Project project;
    private readonly IReadOnlyList<Foundation> rows;
    private readonly IReadOnlyList<FoundationDesign> designs;
    private readonly double factor;
    private readonly List<(int Row, GridCrossing At)> joints = [];

    private GridCoupling(Project project, IReadOnlyList<Foundation> rows, IReadOnlyList<FoundationDesign> designs, double factor)
    {
        (this.project, this.rows, this.designs, this.factor) = (project, rows, designs, factor);
        for (var r = 0; r < rows.Count; r++)
        {
            joints.AddRange(rows[r].Row!.Crossings.Where(c => c.IsFirst).Select(c => (r, c)));
        }
    }

    /// <summary>The rows of a grid as they share their columns with these designs.</summary>
    /// <param name="project">The project.</param>
    /// <param name="rows">All rows of the grid, in order.</param>
    /// <param name="designs">Their designs.</param>
    /// <param name="factor">By what the actions of all columns are multiplied; weights, water and surcharge stay.</param>
    public static IReadOnlyList<Foundation> Couple(Project project, IReadOnlyList<Foundation> rows, IReadOnlyList<FoundationDesign> designs,
        double factor = 1)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(rows);
        ArgumentNullException.ThrowIfNull(designs);
        return new GridCoupling(project, rows, designs, factor).Solve();
    }

    /// <summary>A project whose grids share their columns by the designs in force; a grid of which a row has none stays as it is.</summary>
    /// <param name="project">The project.</param>
    /// <param name="designs">The design of a foundation; null: it has none.</param>
    public static Project All(Project project, Func<Foundation, FoundationDesign?> designs)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        var coupled = Grids(project.Foundations)
            .SelectMany(rows => rows.Select(designs).OfType<FoundationDesign>().ToList() is var all && all.Count == rows.Count
                ? Couple(project, rows, all)
                : rows)
            .ToDictionary(f => f.Mark, StringComparer.Ordinal);
        return coupled.Count == 0 ? project
            : project with { Foundations = [.. project.Foundations.Select(f => coupled.GetValueOrDefault(f.Mark, f))] };
    }

    /// <summary>The grids among foundations, each as all of its rows in order.</summary>
    public static IEnumerable<IReadOnlyList<Foundation>> Grids(IEnumerable<Foundation> foundations) =>
        foundations.Where(f => f.Row is not null).GroupBy(f => f.Row!.Grid, StringComparer.Ordinal)
            .Select(g => (IReadOnlyList<Foundation>)[.. g.OrderBy(f => f.Row!.Number)]);

    /// <summary>
    /// Foundations as rows of grids share their columns by these designs; rows that are not among them have those they had.
    /// </summary>
    /// <param name="project">The project.</param>
    /// <param name="designs">Foundations with their designs; null: it has none.</param>
    public static IReadOnlyList<(Foundation Foundation, FoundationDesign? Design)> Together(Project project,
        IReadOnlyList<(Foundation Foundation, FoundationDesign? Design)> designs)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        var coupled = new Dictionary<string, Foundation>(StringComparer.Ordinal);
        foreach (var own in designs.Where(d => d is { Foundation.Row.Shares.Designs.Count: > 0, Design: not null })
            .GroupBy(d => d.Foundation.Row!.Grid, StringComparer.Ordinal))
        {
            var all = own.First().Foundation.Row!.Shares!.Designs.ToArray();
            foreach (var (f, design) in own)
            {
                all[f.Row!.Number] = design!;
            }

            if (own.Any(d => !d.Foundation.Row!.Shares!.Designs.SequenceEqual(all)))
            {
                foreach (var row in Couple(project, Grids(project.Foundations).First(g => g[0].Row!.Grid == own.Key), all))
                {
                    coupled[row.Mark] = row;
                }
            }
        }

        return coupled.Count == 0 ? designs
            : [.. designs.Select(d => (coupled.GetValueOrDefault(d.Foundation.Mark, d.Foundation), d.Design))];
    }

    /// <summary>A row as it shares its columns where it has this design and the other rows those that they had; any other foundation as
    /// it is.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">Its design.</param>
    /// <param name="factor">By what the actions of all columns are multiplied.</param>
    internal static Foundation With(Project project, Foundation foundation, FoundationDesign design, double factor = 1)
    {
        if (factor < Nothing || foundation.Row is not { Shares: { Designs.Count: > 0 } shares, Number: var number })
        {
            return foundation;
        }

        if (shares.Designs[number].Equals(design))
        {
            // All rows ask for the same factors.
            return factor == 1 ? foundation
                : shares.Scaled.GetOrAdd(factor, f => new Lazy<IReadOnlyList<Foundation>>(() =>
                    Couple(project, Grids(project.Foundations).First(g => g[0].Row!.Grid == foundation.Row.Grid), shares.Designs, f)))
                    .Value[number];
        }

        var rows = Grids(project.Foundations).First(g => g[0].Row!.Grid == foundation.Row.Grid)
            .Select((f, i) => i == number ? foundation : f).ToList();
        return Couple(project, rows, [.. shares.Designs.Select((d, i) => i == number ? design : d)], factor)[number];
    }

    private List<Foundation> Solve()
    {
        // Their plans first: by them they share ground and weight.
        var plain = rows.Select((f, r) => Trial(f with { Row = f.Row! with { Shares = null } }, r)).ToList();
        var shared = rows.Select((f, r) => f with { Row = f.Row! with { Shares = Guess(r, plain) } }).ToList();
        var sustained = plain[0].Sustained;
        Release(plain);

        var trials = shared.Select(Trial).ToList();
        var count = trials[0].Combinations.Length;
        if (trials.Exists(t => t.Combinations.Length != count))
        {
            throw new InvalidOperationException($"rows of {rows[0].Row!.Grid} have different combinations");
        }

        var shares = new SharedSinking(trials, joints);
        var (forces, apart) = (joints.Select(_ => new double[count]).ToList(), new HashSet<int>());
        for (var k = 0; k < count; k++)
        {
            var carried = new double[joints.Count];
            if (!shares.Find(k, carried))
            {
                apart.Add(k);
            }

            for (var j = 0; j < carried.Length; j++)
            {
                forces[j][k] = carried[j];
            }
        }

        var scaled = new ConcurrentDictionary<double, Lazy<IReadOnlyList<Foundation>>>();
        var found = shared.Select((f, r) =>
            f with { Row = f.Row! with { Shares = Found(r, trials, forces, apart, sustained) with { Scaled = scaled } } }).ToList();
        Release(trials);
        return found;
    }

    private Trial Trial(Foundation row, int number)
    {
        var place = new LoadedPlace(project, row, row.Places[0]);
        var trial = row.Kind.NewTrial(project, row, factor == 1 ? place : place.Times(factor));
        trial.Adopt(designs[number]);
        return trial;
    }

    private static void Release(List<Trial> trials)
    {
        foreach (var t in trials)
        {
            t.Release();
        }
    }

    // How the rows lie over each other; what each carries is open.
    private RowShares Guess(int r, List<Trial> plain)
    {
        var (row, body) = (rows[r].Row!, plain[r].Body);
        var at = row.Crossings.Select(c =>
        {
            var other = plain[c.Other].Body;
            var (x, otherX) = (body.Columns[c.Column].X, other.Columns[c.OtherColumn].X);
            double Beside(double free, double breadth) => Math.Max(0, Math.Min(free, breadth / 2));
            var wide = Beside(otherX - other.LowX, body.Width) + Beside(other.HighX - otherX, body.Width);
            return new CrossingShare(c.Guess, [], Beside(x - body.LowX, other.Width), Beside(body.HighX - x, other.Width),
                wide / body.Width, body.Width);
        });
        double[] weights = [.. Enumerable.Range(0, Waters).Select(w => body.WeightIn((WaterState)w))];
        return new RowShares([.. at], new HashSet<int>(), designs, weights, body.FoundingDepth);
    }

    private RowShares Found(int r, List<Trial> trials, List<double[]> forces, HashSet<int> apart, int sustained)
    {
        var (row, shares) = (rows[r].Row!, trials[r].Place.Row!.Shares!);
        CrossingShare At(GridCrossing c, int i)
        {
            var j = joints.FindIndex(x => c.IsFirst ? x.Row == r && x.At == c : x.At.Other == r && x.At.OtherColumn == c.Column);
            var brings = trials[r].Columns[c.Column].Loaded.Brought;

            // As the place has it, whose actions are multiplied afterwards.
            double[] own = [.. forces[j].Select((f, k) => (c.IsFirst ? f : brings[k].N - f) / factor)];
            var all = sustained >= 0 ? brings[sustained].N / factor : 0;
            var share = all > 0 ? Math.Clamp(own[sustained] / all, 0, 1) : c.Guess;
            return shares.At[i] with { Share = share, Forces = own };
        }

        return shares with { At = [.. row.Crossings.Select(At)], Apart = apart };
    }
}
