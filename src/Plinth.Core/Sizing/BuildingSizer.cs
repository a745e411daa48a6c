using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Grids;

namespace Plinth.Core.Sizing;

/// <summary>Works through a whole building, foundations in parallel, results in their order.</summary>
public static class Building
{
    /// <summary>Sizes foundations.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundations">Which.</param>
    /// <param name="progress">Called after each, from any thread; null: not wanted.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <param name="check">Whether the checks of what is found are wanted with it.</param>
    /// <param name="kept">
    /// The design that a row of a grid keeps, also where it is not among those to be sized; null: all rows are sized with it.
    /// </param>
    /// <exception cref="OperationCanceledException">The work was stopped.</exception>
    public static IReadOnlyList<SizingResult> Size(Project project, IReadOnlyList<Foundation> foundations, Action? progress,
        CancellationToken cancel, bool check = false, Func<Foundation, FoundationDesign?>? kept = null)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundations);

        // Rows of a grid are sized together, by the first of them.
        var grids = GridCoupling.Grids(project.Foundations).ToDictionary(g => g[0].Row!.Grid, StringComparer.Ordinal);
        var (heads, headOf) = (new List<Foundation>(), new Dictionary<string, int>(StringComparer.Ordinal));
        int[] at =
        [
            .. foundations.Select(f =>
            {
                if (f.Row is { Grid: var grid } && !headOf.TryAdd(grid, heads.Count))
                {
                    return headOf[grid];
                }

                heads.Add(f);
                return heads.Count - 1;
            }),
        ];
        var found = Each(heads, f =>
        {
            if (f.Row is { Grid: var grid })
            {
                return GridSizer.Size(project, grids[grid], [.. grids[grid].Select(r => kept?.Invoke(r))], progress, cancel);
            }

            var sizer = FoundationSizer.Of(project, f);
            var own = sizer.Size(check);
            sizer.Release();
            progress?.Invoke();
            return [own];
        }, null, cancel);
        return [.. foundations.Select((f, i) => found[at[i]][f.Row?.Number ?? 0])];
    }

    /// <summary>Checks designs.</summary>
    /// <param name="project">The project.</param>
    /// <param name="designs">Which, with the design in force.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="OperationCanceledException">The work was stopped.</exception>
    public static IReadOnlyList<FoundationResult> Check(Project project,
        IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs, CancellationToken cancel) =>
        Each(designs, d =>
        {
            var checker = new Checker(project, d.Foundation);
            var result = checker.Check(d.Design);
            checker.Release();
            return result;
        }, null, cancel);

    /// <summary>How much the actions on designs may grow; null where there are none.</summary>
    /// <param name="project">The project.</param>
    /// <param name="designs">Which, with the design in force and what its checks say.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <exception cref="OperationCanceledException">The work was stopped.</exception>
    public static IReadOnlyList<double?> Room(Project project,
        IReadOnlyList<(Foundation Foundation, FoundationDesign Design, FoundationResult? Now)> designs, CancellationToken cancel) =>
        Each(designs, d =>
        {
            var checker = new Checker(project, d.Foundation);
            var room = checker.Room(d.Design, d.Now);
            checker.Release();
            return room;
        }, null, cancel);

    private static TResult[] Each<T, TResult>(IReadOnlyList<T> items, Func<T, TResult> work, Action? progress, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(items);
        var results = new TResult[items.Count];
        Parallel.For(0, items.Count, new ParallelOptions { CancellationToken = cancel }, i =>
        {
            results[i] = work(items[i]);
            progress?.Invoke();
        });
        return results;
    }
}
