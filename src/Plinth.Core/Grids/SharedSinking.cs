using Plinth.Core.Bodies;
using Plinth.Core.Numerics;

namespace Plinth.Core.Grids;

/// <summary>
/// Finds what each of two rows carries of a column at which they cross, so that both sink alike there, combination by combination.
/// </summary>
/// <remarks>
/// By flexibility: the matrix of the rows as if the ground could pull makes the first step, exact where all bear wholly; where parts lift
/// off C. G. Broyden's updates mend it (Mathematics of Computation 19, 1965, 577–593).
/// </remarks>
internal sealed class SharedSinking
{
    private const int MostSteps = 80;

    // Both rows sink alike to this, m, and to this share of what they sink.
    private const double Alike = 1e-9;
    private const double AlikeShare = 1e-7;

    private const double LeastPart = 1e-3;

    private readonly List<Trial> trials;
    private readonly List<(int Row, GridCrossing At)> joints;
    private readonly BandedMatrix yields;

    // Of each row its crossings: which joint, at which column, and whether it is the first row there, 1, or the other, −1.
    private readonly List<(int Joint, int Column, int Sign)>[] sides;

    /// <summary>Prepares it for rows whose designs are set.</summary>
    /// <param name="trials">Of each row.</param>
    /// <param name="joints">Each crossing once, by the row that stands first.</param>
    public SharedSinking(List<Trial> trials, List<(int Row, GridCrossing At)> joints)
    {
        (this.trials, this.joints) = (trials, joints);
        sides = [.. trials.Select(_ => new List<(int, int, int)>())];
        for (var j = 0; j < joints.Count; j++)
        {
            var (row, at) = joints[j];
            sides[row].Add((j, at.Column, 1));
            sides[at.Other].Add((j, at.OtherColumn, -1));
        }

        yields = Yields();
    }

    // What both rows of each crossing sink apart by one kN that one of them takes from the other there, for every crossing: factored. But
    // for the columns' breadth it is symmetric; the steps that follow mend the rest.
    private BandedMatrix Yields()
    {
        var matrix = new BandedMatrix(joints.Count, joints.Count - 1);
        for (var r = 0; r < trials.Count; r++)
        {
            var body = trials[r].Body;
            var sinks = new double[body.Columns.Length];
            foreach (var (j, column, sign) in sides[r])
            {
                if (!body.Bed!.Yields(column, sinks))
                {
                    throw new InvalidOperationException($"{trials[r].Foundation.Mark} has no stiffness on its ground");
                }

                foreach (var (i, at, other) in sides[r].Where(x => x.Joint >= j))
                {
                    matrix.Add(i, j, sign * other * sinks[at]);
                }
            }
        }

        return matrix.Factor() ? matrix
            : throw new InvalidOperationException($"the rows of {trials[0].Place.Row!.Grid} cannot be told apart");
    }

    /// <summary>Finds what the first row of each joint carries in a combination, kN; false where no shares hold the rows.</summary>
    /// <param name="k">The combination.</param>
    /// <param name="carried">By joint.</param>
    public bool Find(int k, double[] carried)
    {
        var n = joints.Count;
        double[] from = [.. joints.Select(j => trials[j.Row].Columns[j.At.Column].Action(k).N)];
        var gaps = new double[n];
        List<(double[] Left, double[] Right)> updates = [];

        // As if the ground could pull: where all bear wholly so it is.
        from.CopyTo(carried, 0);
        var apart = Pulled(k, null, gaps);
        for (var step = 0; step < MostSteps && !IsClosed(gaps, apart); step++)
        {
            var move = Applied(updates, gaps);
            double[] next = [.. carried.Select((c, j) => c - move[j])];
            apart = Pulled(k, (carried, next), gaps);
            next.CopyTo(carried, 0);
        }

        if (IsClosed(gaps, apart) && trials.TrueForAll(t => t.Body.Bed!.BearsWholly))
        {
            return true;
        }

        // Where that holds a row in no place, from the first guess.
        var (held, most) = Gaps(k, from, carried, gaps);
        if (!held)
        {
            from.CopyTo(carried, 0);
            (held, most) = Gaps(k, from, carried, gaps);
        }

        for (var step = 0; step < MostSteps && held; step++)
        {
            if (IsClosed(gaps, most))
            {
                return true;
            }

            // Where a row finds no equilibrium it is given half of what was changed.
            var (move, next, now) = (Applied(updates, gaps), new double[n], new double[n]);
            for (var part = 1.0; ; part /= 2)
            {
                for (var j = 0; j < n; j++)
                {
                    next[j] = carried[j] - (part * move[j]);
                }

                (held, most) = Gaps(k, from, next, now);
                if (held || part < LeastPart)
                {
                    break;
                }
            }

            if (!held)
            {
                return false;
            }

            Update(updates, Less(next, carried), Less(now, gaps));
            next.CopyTo(carried, 0);
            now.CopyTo(gaps, 0);
        }

        return false;
    }

    private static bool IsClosed(double[] gaps, double most) => gaps.Max(Math.Abs) <= Alike + (AlikeShare * most);

    private static double[] Less(double[] a, double[] b) => [.. a.Zip(b, (x, y) => x - y)];

    private static double Dot(double[] a, double[] b) => a.Zip(b, (x, y) => x * y).Sum();

    // J⁻¹·v with all updates: J⁻¹ ← J⁻¹ + left·(rightᵀ·J⁻¹).
    private double[] Applied(List<(double[] Left, double[] Right)> updates, double[] v)
    {
        var result = (double[])v.Clone();
        yields.Solve(result);
        foreach (var (left, right) in updates)
        {
            var by = Dot(right, result);
            result = [.. result.Zip(left, (r, l) => r + (by * l))];
        }

        return result;
    }

    private void Update(List<(double[] Left, double[] Right)> updates, double[] moved, double[] closed)
    {
        var by = Applied(updates, closed);
        var along = Dot(moved, by);
        if (Math.Abs(along) > 1e-30)
        {
            updates.Add(([.. Less(moved, by).Select(x => x / along)], moved));
        }
    }

    // Force on each column of a row beside that which its trial holds.
    private double[] More(int r, GroundBody body, double[] from, double[] carried)
    {
        var more = new double[body.Columns.Length];
        foreach (var (j, column, sign) in sides[r])
        {
            more[column] += sign * (carried[j] - from[j]);
        }

        return more;
    }

    // As if the ground could pull: under what the trials hold, or with more; how far apart rows sink, and the most that any sinks.
    private double Pulled(int k, (double[] From, double[] To)? more, double[] gaps)
    {
        var most = 0.0;
        Array.Clear(gaps);
        for (var r = 0; r < trials.Count; r++)
        {
            var body = trials[r].Body;
            var sinks = new double[body.Columns.Length];
            if (more is var (from, to))
            {
                body.Bed!.Pressed(More(r, body, from, to), sinks);
            }
            else
            {
                _ = body.Bed!.Pulled(k, sinks);
            }

            most = Math.Max(most, AddGaps(r, sinks, gaps));
        }

        return most;
    }

    private double AddGaps(int r, double[] sinks, double[] gaps)
    {
        var most = 0.0;
        foreach (var (j, column, sign) in sides[r])
        {
            gaps[j] += sign * sinks[column];
            most = Math.Max(most, Math.Abs(sinks[column]));
        }

        return most;
    }

    // How much deeper the first row of each crossing sinks than the other, and the most that any sinks.
    private (bool Held, double Most) Gaps(int k, double[] from, double[] carried, double[] gaps)
    {
        var most = 0.0;
        Array.Clear(gaps);
        for (var r = 0; r < trials.Count; r++)
        {
            var body = trials[r].Body;
            var sinks = new double[body.Columns.Length];
            if (!body.Bed!.Sinks(k, More(r, body, from, carried), sinks))
            {
                return (false, 0);
            }

            most = Math.Max(most, AddGaps(r, sinks, gaps));
        }

        return (true, most);
    }
}
