using System.Buffers;
using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Loads;
using Plinth.Core.Piles;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>What acts at the centroid of the piles in a combination.</summary>
/// <param name="N">ΣN, kN.</param>
/// <param name="X">ΣN·x: the moment about y, kNm.</param>
/// <param name="Y">ΣN·y: the moment about x with its sign turned, kNm.</param>
/// <param name="Left">What of X and Y the piles cannot take by their axial forces, kNm.</param>
/// <param name="Held">Whether piles, tie beams or shafts hold all of it.</param>
internal readonly record struct PileLoads(double N, double X, double Y, PlanPoint Left, bool Held);

/// <summary>The piles of a cap as they hold it: equal axial springs under a rigid body, found once for each combination and size.</summary>
internal sealed partial class CapPiles(CapTrial trial) : BodyRest
{
    // Moments smaller than this share of ΣN by a metre are rounding.
    private const double Nil = 1e-9;

    // Share of the load that a tie beam carries along itself at least.
    private const double TieForce = 0.10;

    private readonly PileGroup group = new();
    private PileLoads[] loads = Trial.Rented<PileLoads>(trial.Combinations.Length);
    private PlanPoint[] places = [];
    private PlanPoint centroid;

    public void Release()
    {
        ArrayPool<PileLoads>.Shared.Return(loads);
        loads = [];
    }

    /// <summary>The group.</summary>
    public PileGroup Group => group;

    /// <summary>Its centroid from the cap's, m.</summary>
    public PlanPoint Centroid => centroid;

    /// <summary>Least distance of centres, m; infinite of one pile.</summary>
    public double LeastPitch { get; private set; }

    /// <summary>How far the group may lie out of place, m.</summary>
    public double Deviation => trial.PileRules.GroupDeviation(group.Count);

    /// <summary>Takes where the piles stand.</summary>
    public void Take(ReadOnlySpan<Pile> piles)
    {
        if (places.Length < piles.Length)
        {
            places = new PlanPoint[piles.Length];
        }

        for (var i = 0; i < piles.Length; i++)
        {
            places[i] = new PlanPoint(piles[i].X, piles[i].Y);
        }

        centroid = group.Set(places.AsSpan(0, piles.Length));
        LeastPitch = PileLayout.Nearest(places.AsSpan(0, piles.Length));
    }

    /// <summary>What acts at the piles' centroid.</summary>
    public ref readonly PileLoads Loads(int k)
    {
        _ = trial.Body.Contact(k);
        return ref loads[k];
    }

    /// <inheritdoc/>
    public override ContactSolution Hold(int k, in BaseLoads l)
    {
        loads[k] = Carried(k, l);
        return loads[k].Held ? new ContactSolution(ContactState.Full, default, 1) : ContactSolution.None;
    }

    // With heads that the cap holds the shafts' moments act back on it.
    private PileLoads Carried(int k, in BaseLoads l)
    {
        var (x, y) = (l.My - (l.N * centroid.X), -l.Mx - (l.N * centroid.Y));
        if (trial.PileRules.FixedHead)
        {
            var arm = HeadArm;
            (x, y) = (x + (arm * l.Fx), y + (arm * l.Fy));
        }

        var left = group.Untaken(x, y);
        return new PileLoads(l.N, x, y, left, IsHeld(k, l.N, left));
    }

    /// <summary>Moment at a fixed head by one of load across it, m; 0 of pinned heads.</summary>
    public double HeadArm => trial.PileRules.FixedHead ? PileShaft.MomentPerLoad(trial.PileRules, Stiffness) : 0;

    /// <summary>E·I of a shaft, kNm2; NaN where its concrete is not stated.</summary>
    public double Stiffness => trial.PileRules.Strength is { } fc ? trial.Code.Elasticity(fc) * trial.PileRules.Inertia : double.NaN;

    // Of a row ΣN out of place is such a moment too; of one pile a moment about the vertical.
    private bool IsHeld(int k, double n, in PlanPoint left)
    {
        if (group.Rank == 2 || trial.PileRules.FixedHead)
        {
            return true;
        }

        var (needX, needY) = Needs(k, n, left);
        var beams = trial.PileRules.TieBeams;
        return (!needX || beams.HasFlag(TieBeams.AlongX)) && (!needY || beams.HasFlag(TieBeams.AlongY));
    }

    /// <summary>Along which axes moments are left that tie beams must take.</summary>
    public (bool X, bool Y) Needs(int k, double n, in PlanPoint left)
    {
        if (group.Rank == 2)
        {
            return (false, false);
        }

        var (least, off) = (Nil * Math.Max(1, Math.Abs(n)), Math.Abs(n) * Deviation);
        var twisted = group.Rank == 0 && Math.Abs(Twist(k)) > least;
        var (offX, offY) = group.Rank == 0 ? (off, off) : (off * Math.Abs(group.Line.Y), off * Math.Abs(group.Line.X));
        return (twisted || Math.Abs(left.X) > least || offX > least, twisted || Math.Abs(left.Y) > least || offY > least);
    }

    /// <summary>Moment about the vertical at the piles' centroid, kNm.</summary>
    public double Twist(int k)
    {
        var sum = 0.0;
        foreach (var c in trial.Columns)
        {
            ref readonly var a = ref c.Action(k);
            sum += a.Mz + ((c.X - centroid.X) * a.Fy) - ((c.Y - centroid.Y) * a.Fx);
        }

        return sum;
    }

    /// <summary>What a pile carries in place, kN, compression positive.</summary>
    public double Force(int k, int pile)
    {
        ref readonly var l = ref Loads(k);
        return group.Force(pile, l.N, l.X, l.Y);
    }

    /// <summary>The same without the surcharge.</summary>
    public double ForceWithoutSurcharge(int k, int pile)
    {
        var l = Carried(k, trial.Body.LoadsWithoutSurcharge(k));
        return group.Force(pile, l.N, l.X, l.Y);
    }

    /// <summary>
    /// By how much it may be more or less, as the piles may stand out of place, kN: each takes the direction that is worst for it.
    /// </summary>
    public double Spread(int k, int pile)
    {
        var g = group.Response(pile);
        return Math.Abs(Loads(k).N) * Deviation * Math.Sqrt((g.X * g.X) + (g.Y * g.Y));
    }

    /// <summary>Load across the axis of a pile, kN: its share of ΣF, and of the moment about the vertical by its distance.</summary>
    public double Lateral(int k, int pile)
    {
        var (x, y) = LateralParts(k, pile);
        return Math.Sqrt((x * x) + (y * y));
    }

    /// <summary>The same along x and y, kN.</summary>
    public (double X, double Y) LateralParts(int k, int pile)
    {
        ref readonly var l = ref trial.Body.Loads(k);
        var (n, at, polar) = (group.Count, group.At(pile), group.SumXX + group.SumYY);
        var twist = polar > 0 ? Twist(k) / polar : 0;
        return ((l.Fx / n) - (twist * at.Y), (l.Fy / n) + (twist * at.X));
    }

    /// <summary>The greatest and least loads of each pile in the combinations in which it is checked; empty where none is for it.</summary>
    public static IReadOnlyList<PileForces> Forces(CapTrial t)
    {
        var list = new List<PileForces>();
        foreach (var p in t.Piles)
        {
            var (most, least, lateral, high, low) = (double.NegativeInfinity, double.PositiveInfinity, 0.0, -1, -1);
            for (var k = 0; k < t.Combinations.Length; k++)
            {
                if (!PileLoading.Counts(p, k, Family.Ground | Family.Stability))
                {
                    continue;
                }

                var (force, off) = (t.Group.Force(k, p.Index), t.Group.Spread(k, p.Index));
                (most, high) = force + off > most + 1e-9 ? (force + off, k) : (most, high);
                (least, low) = force - off < least - 1e-9 ? (force - off, k) : (least, low);
                lateral = Math.Max(lateral, t.Group.Lateral(k, p.Index));
            }

            if (high >= 0)
            {
                list.Add(new PileForces(p.Number, most, t.Combinations[high].Name, least, t.Combinations[low].Name, lateral));
            }
        }

        return list;
    }

    /// <summary>What a sum Σw·R of the piles may be more or less, kN: one direction out of place for all.</summary>
    /// <param name="k">The combination.</param>
    /// <param name="weighted">Σw·(b, c) of the piles' responses.</param>
    public double SpreadOf(int k, in PlanPoint weighted) =>
        Math.Abs(Loads(k).N) * Deviation * Math.Sqrt((weighted.X * weighted.X) + (weighted.Y * weighted.Y));

    /// <summary>
    /// Share of a pile that lies outside a line, its centre so far outside: whole from half its size, none from half its size inside.
    /// </summary>
    public double ShareOutside(double distance) => Math.Clamp(0.5 + (distance / trial.PileRules.Side), 0, 1);

    // How far a pile's centre lies outside a section round a column, to the corner at corners; an open side is none.
    private static double Outside(in PunchingSection s, double x, double y)
    {
        const double none = double.PositiveInfinity;
        var (x0, x1) = (s.OpenX < 0 ? -none : s.X0, s.OpenX > 0 ? none : s.X1);
        var (y0, y1) = (s.OpenY < 0 ? -none : s.Y0, s.OpenY > 0 ? none : s.Y1);
        var (dx, dy) = (Math.Max(x0 - x, x - x1), Math.Max(y0 - y, y - y1));
        return dx > 0 && dy > 0 ? Math.Sqrt((dx * dx) + (dy * dy)) : Math.Max(dx, dy);
    }

    /// <inheritdoc/>
    public override PressureResultant Within(int k, in PunchingSection section)
    {
        var (force, x, y) = (0.0, 0.0, 0.0);
        foreach (var p in trial.Piles)
        {
            var inside = (1 - ShareOutside(Outside(section, p.X, p.Y))) * Force(k, p.Index);
            (force, x, y) = (force + inside, x + (inside * p.X), y + (inside * p.Y));
        }

        return new PressureResultant(force, x, y);
    }

    /// <inheritdoc/>
    public override bool IsWithin(in PunchingSection section)
    {
        foreach (var p in trial.Piles)
        {
            if (ShareOutside(Outside(section, p.X, p.Y)) > 0)
            {
                return false;
            }
        }

        return true;
    }

    /// <inheritdoc/>
    public override double Spread(int k, in PunchingSection section, in SectionProperties properties, double x, double y)
    {
        if (Deviation == 0)
        {
            return 0;
        }

        // Of v0 − γv,x·Mx,c·y/Jx + γv,y·My,c·x/Jy what each pile inside adds.
        var weighted = default(PlanPoint);
        foreach (var p in trial.Piles)
        {
            var inside = 1 - ShareOutside(Outside(section, p.X, p.Y));
            if (inside > 0)
            {
                var w = -inside * ((1 / properties.Area) + (properties.SlopeX * (p.X - properties.CentroidX) * x)
                    + (properties.SlopeY * (p.Y - properties.CentroidY) * y));
                var g = group.Response(p.Index);
                weighted = new PlanPoint(weighted.X + (w * g.X), weighted.Y + (w * g.Y));
            }
        }

        return SpreadOf(k, weighted);
    }
}
