using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Audit;

/// <summary>The numbers of a project as the audit looks at them: supports in order, each case once.</summary>
internal sealed class AuditData
{
    private readonly SupportAction[][] actions;

    public AuditData(Project project)
    {
        Project = project;
        Supports = project.Supports;
        Indices = [.. Enumerable.Range(0, project.Cases.Count)
            .Where(k => project.Cases[k].HasReactions
                && (k == 0 || project.Cases[k].Source != project.Cases[k - 1].Source || project.Cases[k].Signs is null))];
        Cases = [.. Indices.Select(k => project.Cases[k])];
        ByX = [.. Enumerable.Range(0, Supports.Count).OrderBy(i => Supports[i].X)];
        actions = [.. Supports.Select(s => project.Actions[s.Label])];
        Totals = [
            .. Indices.Select(k => Supports.Aggregate(default(LoadTotals),
                (t, s) => t.Plus(project.Actions[s.Label][k], s.X, s.Y, s.Level ?? 0)))];
    }

    public Project Project { get; }

    public IReadOnlyList<Support> Supports { get; }

    public IReadOnlyList<LoadCase> Cases { get; }

    public IReadOnlyList<LoadTotals> Totals { get; }

    /// <summary>Indices of the supports from the lowest x to the highest.</summary>
    public IReadOnlyList<int> ByX { get; }

    private int[] Indices { get; }

    /// <summary>Action of a support in a case, both by index.</summary>
    public SupportAction Action(int support, int k) => actions[support][Indices[k]];

    /// <summary>Values of a component over all supports in a case.</summary>
    public double[] Values(int k, Func<SupportAction, double> of) => [.. Enumerable.Range(0, Supports.Count).Select(i => of(Action(i, k)))];

    /// <summary>Whether a case presses down by its nature.</summary>
    public static bool IsGravity(LoadCase c) =>
        c.Symbol is LoadSymbol.D or LoadSymbol.G or LoadSymbol.L or LoadSymbol.Lr or LoadSymbol.S or LoadSymbol.R or LoadSymbol.Q;

    /// <summary>Whether a case is permanent weight.</summary>
    public static bool IsDead(LoadCase c) => c.Symbol is LoadSymbol.D or LoadSymbol.G;

    /// <summary>The middle of absolute values that are not zero; 0 if there is none.</summary>
    public static double Median(IEnumerable<double> values)
    {
        double[] sorted = [.. values.Select(Math.Abs).Where(v => v > 0).Order()];
        return sorted.Length == 0 ? 0 : sorted[sorted.Length / 2];
    }

    /// <summary>
    /// The corners of the convex outline of all supports, anticlockwise (A. M. Andrew, Information Processing Letters 9 (1979) 216–219).
    /// </summary>
    public IReadOnlyList<(double X, double Y)> Outline()
    {
        var points = Supports.Select(s => (s.X, s.Y)).Distinct().Order().ToList();
        if (points.Count < 3)
        {
            return points;
        }

        static double Turn((double X, double Y) a, (double X, double Y) b, (double X, double Y) c) =>
            ((b.X - a.X) * (c.Y - a.Y)) - ((b.Y - a.Y) * (c.X - a.X));
        var hull = new List<(double X, double Y)>();
        void Half(IEnumerable<(double X, double Y)> run)
        {
            var from = hull.Count;
            foreach (var p in run)
            {
                while (hull.Count - from >= 2 && Turn(hull[^2], hull[^1], p) <= 0)
                {
                    hull.RemoveAt(hull.Count - 1);
                }

                hull.Add(p);
            }

            hull.RemoveAt(hull.Count - 1);
        }

        Half(points);
        Half(Enumerable.Reverse(points));
        return hull;
    }

    /// <summary>Area within a closed line of corners, m2.</summary>
    public static double Area(IReadOnlyList<(double X, double Y)> corners)
    {
        var sum = 0.0;
        for (var i = 0; i < corners.Count; i++)
        {
            var (a, b) = (corners[i], corners[(i + 1) % corners.Count]);
            sum += (a.X * b.Y) - (b.X * a.Y);
        }

        return sum / 2;
    }
}
