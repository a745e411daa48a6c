using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Grids;

/// <summary>
/// Sizes the rows of a grid together: each for what it carries beside the others, all of one depth. What they carry follows from their
/// sizes, so that they are sized again until all stand under what they share.
/// </summary>
public sealed class GridSizer
{
    // So often each row is sized freely; from then on its plan only grows.
    private const int FreeRounds = 4;
    private const int MostRounds = 24;

    private readonly Project project;
    private readonly IReadOnlyList<Foundation> rows;
    private readonly IReadOnlyList<FoundationDesign?> kept;
    private readonly Action? progress;
    private readonly CancellationToken cancel;
    private readonly List<SizingStep>[] steps;

    private GridSizer(Project project, IReadOnlyList<Foundation> rows, IReadOnlyList<FoundationDesign?> kept, Action? progress,
        CancellationToken cancel)
    {
        (this.project, this.kept, this.progress, this.cancel) = (project, kept, progress, cancel);
        this.rows = [.. rows.Select(f => f with { Row = f.Row! with { Shares = null } })];
        steps = [.. rows.Select(_ => new List<SizingStep>())];
    }

    /// <summary>Finds the designs of all rows.</summary>
    /// <param name="project">The project.</param>
    /// <param name="rows">All rows of the grid, in order.</param>
    /// <param name="kept">Of each row the design that it keeps; null: it is sized.</param>
    /// <param name="progress">Called after each row; null: not wanted.</param>
    /// <param name="cancel">Stops the work.</param>
    /// <returns>A result a row, each with the row as it shares its columns; what is kept is checked.</returns>
    public static IReadOnlyList<SizingResult> Size(Project project, IReadOnlyList<Foundation> rows, IReadOnlyList<FoundationDesign?> kept,
        Action? progress, CancellationToken cancel)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(rows);
        ArgumentNullException.ThrowIfNull(kept);
        return new GridSizer(project, rows, kept, progress, cancel).Size();
    }

    private IReadOnlyList<SizingResult> Size()
    {
        // The row that carries most in either direction tells what all begin with.
        int[] heads =
        [
            .. Enumerable.Range(0, rows.Count).GroupBy(r => rows[r].Row!.Across).Select(g => g.MaxBy(Heavy)),
        ];
        var first = All(r => heads.Contains(r) || kept[r] is not null ? Found(rows[r], r) : new SizingResult(null, null, []));
        if (Array.Exists(heads, r => first[r].Design is null))
        {
            return Failed(first);
        }

        FoundationDesign[] designs =
        [
            .. first.Select((f, r) => f.Design
                ?? Like(rows[r], first[heads.First(h => rows[h].Row!.Across == rows[r].Row!.Across)].Design!)),
        ];
        var grown = new FoundationDesign?[rows.Count];
        for (var round = 1; round <= MostRounds; round++)
        {
            cancel.ThrowIfCancellationRequested();
            var (deep, coupled) = (Deepest(designs), GridCoupling.Couple(project, rows, designs));

            // Rows that stand as they are stay, once all were sized for what they truly carry.
            var results = All(r => kept[r] is { } held ? new SizingResult(held, null, [])
                : round > 1 && rows[r].Kind.Deep(designs[r]) == deep && Stands(coupled[r], designs[r])
                    ? new SizingResult(designs[r], null, [])
                    : Again(coupled[r], r, deep, round > FreeRounds ? grown[r] : null));
            if (Array.Exists(results, f => f.Design is null))
            {
                return Failed(results);
            }

            var same = true;
            for (var r = 0; r < rows.Count; r++)
            {
                var (old, now) = (designs[r], results[r].Design!);
                same &= IsAlike(r, old, now);
                grown[r] = old.Area > now.Area ? old : now;
                designs[r] = now;
            }

            if (same && Checked(GridCoupling.Couple(project, rows, designs), designs) is { } found)
            {
                return found;
            }
        }

        return [.. rows.Select(f => new SizingResult(null, new SizingStop(null, null, null, 0,
            $"the rows of {f.Row!.Grid} come to no sizes under which all stand; hold width or thickness", null), []))];
    }

    private SizingResult[] All(Func<int, SizingResult> of)
    {
        var results = new SizingResult[rows.Count];
        Parallel.For(0, rows.Count, new ParallelOptions { CancellationToken = cancel }, r =>
        {
            results[r] = of(r);
            steps[r].AddRange(results[r].Steps);
        });
        return results;
    }

    // What its columns press it by on a metre, roughly: all that is not transient, as the first guess shares it.
    private double Heavy(int r)
    {
        var (row, place) = (rows[r].Row!, rows[r].Places[0]);
        bool Lasts(int k) => project.Cases[k].IsPermanent || project.Cases[k].Symbol == Loads.LoadSymbol.L;
        var pressed = place.Supports.Select((s, i) => (row.At(i)?.Guess ?? 1)
            * project.Actions[s.Label].Where((_, k) => Lasts(k)).Sum(a => a.N));
        var (a, b) = (place.Supports[0], place.Supports[^1]);
        return pressed.Sum() / Math.Sqrt(((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y)));
    }

    // A row with the sizes of another, its bars open.
    private static FoundationDesign Like(Foundation row, FoundationDesign other)
    {
        string[] labels = [.. row.Places[0].Supports.Select(s => s.Label)];
        var design = row.Kind.Blank(labels);
        foreach (var field in row.Kind.Fields(labels).Where(f => f.Path.Count == 1))
        {
            design = field.Get(other) is { } value ? field.Put(design, value) : design;
        }

        return row.Kind.Fitted(row, design);
    }

    private double Deepest(FoundationDesign[] designs) => designs.Select((d, r) => rows[r].Kind.Deep(d)).Max();

    private SizingResult Found(Foundation row, int r)
    {
        if (kept[r] is { } held)
        {
            return new SizingResult(held, null, []);
        }

        var sizer = FoundationSizer.Of(project, row);
        var found = sizer.Size();
        sizer.Release();
        return found;
    }

    // For what it carries beside the others, as deep as they are; deeper where it must be.
    private SizingResult Again(Foundation row, int r, double deep, FoundationDesign? plan)
    {
        var found = Found(row.Kind.Holding(row, deep, plan), r);
        for (var wider = plan; found.Design is null && wider is not null && wider.Size.Width < row.Rules.Sizing.MostPlan;)
        {
            wider = wider with { Size = wider.Size with { Width = Math.Round(wider.Size.Width + row.Rules.Sizing.PlanStep, 6) } };
            found = Found(row.Kind.Holding(row, deep, wider), r);
        }

        return found.Design is null ? Found(row, r) : found;
    }

    private bool Stands(Foundation coupled, FoundationDesign design)
    {
        var checker = new Checker(project, coupled);
        var stands = checker.Check(design).Passes;
        checker.Release();
        return stands;
    }

    private bool IsAlike(int r, FoundationDesign a, FoundationDesign b) => a.Size == b.Size
        && rows[r].Kind.Deep(a) == rows[r].Kind.Deep(b)
        && rows[r].Kind.Offset(rows[r], rows[r].Places[0], a) == rows[r].Kind.Offset(rows[r], rows[r].Places[0], b);

    // The checks of all where those that were sized pass; null where one does not.
    private List<SizingResult>? Checked(IReadOnlyList<Foundation> coupled, FoundationDesign[] designs)
    {
        var all = new List<SizingResult>();
        for (var r = 0; r < rows.Count; r++)
        {
            var checker = new Checker(project, coupled[r]);
            var result = checker.Check(designs[r]);
            checker.Release();
            if (kept[r] is null && !result.Passes)
            {
                return null;
            }

            all.Add(new SizingResult(designs[r], null, steps[r]) { Checked = result, Stands = coupled[r] });
            progress?.Invoke();
        }

        return all;
    }

    // Where one row finds nothing none stands.
    private IReadOnlyList<SizingResult> Failed(SizingResult[] results)
    {
        var at = Array.FindIndex(results, f => f.Design is null);
        at = at < 0 || results[at].Stop is null ? Array.FindIndex(results, f => f.Stop is not null) : at;
        return [.. results.Select((f, r) => f.Stop is not null ? f
            : new SizingResult(null, new SizingStop(null, null, null, 0, $"{rows[at].Mark}, of the same grid, finds none", null), []))];
    }
}
