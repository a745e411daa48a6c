namespace Plinth.Core.Response;

/// <summary>A load on a beam on springs, spread evenly over a length, its moment too.</summary>
/// <param name="From">Where it begins, m.</param>
/// <param name="To">Where it ends, m; the same: it stands on a point.</param>
/// <param name="Force">Downwards, kN.</param>
/// <param name="Turns">Moment that presses more towards +x, My', kNm.</param>
/// <param name="Across">Σ(N·y − Mx'): what turns it about its own axis, kNm.</param>
public readonly record struct BeamLoad(double From, double To, double Force, double Turns, double Across);

/// <summary>
/// A beam on ground springs that take no tension: p(x, y) = max(0, k·(w(x) + θ·y)), w by Hermite cubics, θ one turn about the beam's axis
/// for its whole length, as it is stiff in torsion. The potential is convex: found by Newton's method with the tangent of what is in
/// contact (M. Hetényi, Beams on Elastic Foundation, 1946, for what it is held against).
/// </summary>
/// <remarks>
/// kN, m. Elements end where loads do; bearing across is integrated exactly, along it by four points of Gauss an element.
/// </remarks>
public sealed partial class SpringBeam
{
    private const int MostSteps = 200;
    private const double Balanced = 1e-9;
    private const double Rounding = 1e-7;
    private const double Coarse = 1e-4;
    private const int Stalled = 3;
    private const int MostStalled = 30;

    // So near to the loads the springs' sum must be for the solution of a beam that bears wholly to stand as it is.
    private const double Closes = 1e-10;

    /// <summary>So many elements are laid at most beside those that stops ask for.</summary>
    public const int MostElements = 120;

    private readonly SpringMesh mesh;
    private readonly double[] nodes;
    private readonly double[] u;
    private readonly double[] force;
    private readonly double[] first;
    private double turnLoad;

    // As a rigid plane it sinks and turns by these; beside it a stiff beam bends by so little that together all digits would be lost.
    private double sinks;
    private double tilts;

    /// <summary>Makes a beam on even ground; loads are given to <see cref="Solve"/>.</summary>
    /// <param name="low">Where it begins, m.</param>
    /// <param name="high">Where it ends, m.</param>
    /// <param name="breadth">m.</param>
    /// <param name="stiffness">EI, kNm2.</param>
    /// <param name="modulus">Subgrade modulus k, kN/m3.</param>
    /// <param name="stops">Where elements end beside: faces of columns, sections.</param>
    /// <param name="finer">Times as many elements as are needed.</param>
    public SpringBeam(double low, double high, double breadth, double stiffness, double modulus, IEnumerable<double> stops, int finer = 1)
        : this(new SpringMesh(low, high, breadth, stiffness, [new GroundStretch(high, modulus)], stops, finer))
    {
    }

    /// <summary>Makes a beam on ground that changes along it.</summary>
    /// <param name="low">Where it begins, m.</param>
    /// <param name="high">Where it ends, m.</param>
    /// <param name="breadth">m.</param>
    /// <param name="stiffness">EI, kNm2.</param>
    /// <param name="stretches">The ground from its beginning to its end.</param>
    /// <param name="stops">Where elements end beside: faces of columns, sections, where the ground changes.</param>
    /// <param name="finer">Times as many elements as are needed.</param>
    public SpringBeam(double low, double high, double breadth, double stiffness, ReadOnlySpan<GroundStretch> stretches,
        IEnumerable<double> stops, int finer = 1)
        : this(new SpringMesh(low, high, breadth, stiffness, stretches, stops, finer))
    {
    }

    /// <summary>Makes one of several solutions of a mesh, one at a time.</summary>
    internal SpringBeam(SpringMesh mesh)
    {
        (this.mesh, nodes) = (mesh, mesh.Nodes);
        u = new double[(2 * nodes.Length) + 1];
        (force, first) = (new double[nodes.Length], new double[nodes.Length]);
    }

    /// <summary>Whether it is a solution of a mesh.</summary>
    internal bool IsOf(SpringMesh other) => ReferenceEquals(mesh, other);

    /// <summary>λ = (k·B/(4·EI))^¼ on the hardest ground, 1/m.</summary>
    public double Characteristic => mesh.Characteristic;

    /// <summary>Where its elements begin and end, m.</summary>
    public IReadOnlyList<double> Nodes => nodes;

    /// <summary>Turn about its axis, θ.</summary>
    public double Turn => u[^1];

    /// <summary>Share of its underside that bears.</summary>
    public double Share { get; private set; }

    /// <summary>Steps that the last solution took.</summary>
    public int Steps { get; private set; }

    /// <summary>Counts the solutions: what was read of one before holds no more.</summary>
    internal int Solved { get; private set; }

    /// <summary>Finds the settlements under loads; false where they stand in no equilibrium on ground without tension.</summary>
    /// <param name="loads">The loads.</param>
    /// <param name="line">What presses down on a metre all along, kN/m.</param>
    public bool Solve(ReadOnlySpan<BeamLoad> loads, double line)
    {
        // As if the ground could pull: where it does not, this is the answer.
        if (!Bend(loads, line))
        {
            return false;
        }

        var scale = 0.0;
        foreach (var l in loads)
        {
            scale += Math.Abs(l.Force) + Math.Abs(l.Turns) + Math.Abs(l.Across);
        }

        scale = Math.Max(scale + Math.Abs(line * (nodes[^1] - nodes[0])), 1e-9);
        var (step, across, residual, coupling) = (mesh.Step, mesh.Across, mesh.Residual, mesh.Coupling);
        if (BearsWholly() && Finish() && Math.Abs(force[^1] - Sum(loads, line)) <= Closes * scale)
        {
            Steps = 0;
            return true;
        }

        // Whole steps while each comes nearer; where one does not, the potential tells how far to go.
        var (energy, last, lowest, stalled) = (double.NaN, double.PositiveInfinity, double.PositiveInfinity, 0);
        for (Steps = 1; Steps < MostSteps; Steps++)
        {
            var (turnResidual, turnStiffness) = Assemble();
            var off = Math.Abs(turnResidual);
            foreach (var r in residual)
            {
                off = Math.Max(off, Math.Abs(r));
            }

            // What is left of bending that is far stiffer than its springs is rounding, which no step lessens.
            energy = off < last / 2 ? double.NaN : energy;
            (stalled, lowest) = off < lowest / 2 ? (0, off) : (stalled + 1, lowest);
            if (off <= Balanced * scale || (off <= Rounding * scale && stalled >= Stalled)
                || (off <= Coarse * scale && stalled >= MostStalled))
            {
                return Finish();
            }

            var factored = off < last && mesh.Matrix.Factor();
            if (double.IsNaN(energy) && Steps > 1 && !factored)
            {
                // Back, and part of the way.
                Move(step, -1);
                energy = Far(step, Energy());
                continue;
            }

            last = off;
            if (!factored && !mesh.Matrix.Factor())
            {
                return false;
            }

            residual.CopyTo(step, 0);
            coupling.CopyTo(across, 0);
            mesh.Matrix.Solve(step.AsSpan(0, residual.Length));
            mesh.Matrix.Solve(across);
            var (up, down) = (turnResidual, turnStiffness);
            for (var i = 0; i < across.Length; i++)
            {
                (up, down) = (up - (coupling[i] * step[i]), down - (coupling[i] * across[i]));
            }

            step[^1] = down > 0 ? up / down : 0;
            for (var i = 0; i < across.Length; i++)
            {
                step[i] -= across[i] * step[^1];
            }

            if (double.IsNaN(energy))
            {
                Move(step, 1);
            }
            else
            {
                energy = Far(step, energy);
            }
        }

        return false;
    }

    /// <summary>Finds the settlements under loads as if the ground could pull; false where they have none.</summary>
    /// <param name="loads">The loads.</param>
    /// <param name="line">What presses down on a metre all along, kN/m.</param>
    internal bool Bend(ReadOnlySpan<BeamLoad> loads, double line)
    {
        Solved++;
        Lay(loads, line);
        Array.Clear(u);
        (sinks, tilts) = (0, 0);
        if (mesh.Elastic is not { } elastic)
        {
            return false;
        }

        mesh.Load.CopyTo(mesh.Step, 0);
        elastic.Solve(mesh.Step.AsSpan(0, mesh.Residual.Length));
        mesh.Step[^1] = turnLoad / TurnStiffness();
        Move(mesh.Step, 1);
        return true;
    }

    /// <summary>Adds the settlements of another solution of its mesh as if the ground could pull, times a factor.</summary>
    internal void Add(SpringBeam other, double by)
    {
        Solved++;
        (sinks, tilts) = (sinks + (by * other.sinks), tilts + (by * other.tilts));
        for (var i = 0; i < u.Length; i++)
        {
            u[i] += by * other.u[i];
        }
    }

    // The potential falls along the step; where the whole of it goes too far a part does.
    private double Far(double[] step, double energy)
    {
        for (var share = 1.0; ; share /= 2)
        {
            Move(step, share);
            var now = Energy();
            if (now <= energy + (1e-12 * Math.Abs(energy)) || share < 1e-6)
            {
                return now;
            }

            Move(step, -share);
        }
    }

    // Nothing of it lifts: looked at both ends and in the middle of each element, which is short beside what bends.
    internal bool BearsWholly()
    {
        var least = Math.Abs(Turn) * mesh.Breadth / 2;
        for (var e = 0; e < nodes.Length - 1; e++)
        {
            var length = nodes[e + 1] - nodes[e];
            var (start, middle, end) = Three(e, length);
            if (start <= least || middle <= least || end <= least)
            {
                return false;
            }
        }

        return true;
    }

    private double Sum(ReadOnlySpan<BeamLoad> loads, double line)
    {
        var sum = line * (nodes[^1] - nodes[0]);
        foreach (var l in loads)
        {
            sum += l.Force;
        }

        return sum;
    }

    /// <summary>Settlement of its axis within an element, m.</summary>
    /// <param name="element">Between which nodes, from 0.</param>
    /// <param name="part">Which part of its length, 0 to 1.</param>
    internal double SettlementIn(int element, double part) => Shape(element, part, nodes[element + 1] - nodes[element]);

    /// <summary>Settlement of its axis, m.</summary>
    public double Settlement(double x)
    {
        var (e, t, length) = Element(x);
        return Shape(e, t, length);
    }
}
