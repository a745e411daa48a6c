using Plinth.Core.Contact;
using Plinth.Core.Response;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Bodies;

/// <summary>
/// Ground springs under a rectangle that bends along its x, found once for each combination and size: it is no rigid plane that presses
/// them, but a beam of stiffness EI that turns about its own x as one (M. Hetényi, Beams on Elastic Foundation, 1946).
/// </summary>
public sealed partial class SpringBed
{
    // Of the element at a free end.
    private const double NearEnd = 1.0 / 16;

    // A load on a point, m.
    private const double Beside = 1e-9;

    private readonly GroundBody body;
    private readonly SpringBeam?[] beams;
    private readonly Kept[]?[] extremes;
    private SpringBeam? without;
    private SpringMesh? mesh;
    private double[]? turns;
    private BeamLoad[] loads = [];

    /// <summary>Makes it for a body.</summary>
    internal SpringBed(GroundBody body)
    {
        this.body = body;
        beams = new SpringBeam[body.Combinations.Length];
        extremes = new Kept[]?[body.Combinations.Length];
    }

    /// <summary>Second moment of the section that bends, m4.</summary>
    public double Inertia { get; internal set; }

    /// <summary>By how many times the section is stiffer than gross.</summary>
    public double Factor { get; internal set; } = 1;

    /// <summary>EI, kNm2.</summary>
    public double Stiffness => Factor * Elasticity * Inertia;

    /// <summary>The ground from its beginning to its end; distances from the body's centroid, m.</summary>
    internal IReadOnlyList<GroundStretch> Stretches { get; private set; } = [];

    /// <summary>The same with all of each ground.</summary>
    public IReadOnlyList<Ground.GroundPart> Grounds { get; private set; } = [];

    /// <summary>Takes the grounds that the body crosses, its size set.</summary>
    internal void Cross(IReadOnlyList<Ground.GroundPart> grounds)
    {
        Grounds = grounds;
        Stretches = [.. grounds.Select(g => new GroundStretch(g.To, g.Ground.SubgradeModulus!.Value))];
    }

    private double Elasticity => body.Code.Elasticity(body.Rules.Concrete.Strength);

    /// <summary>λ = (k·B/(4·EI))^¼, 1/m.</summary>
    public double Characteristic => Mesh.Characteristic;

    /// <summary>What was found for another size holds no more.</summary>
    internal void Forget() => (mesh, turns) = (null, null);

    private SpringMesh Mesh
    {
        get
        {
            if (mesh is null)
            {
                var stops = new List<double>();
                foreach (var c in body.Columns)
                {
                    stops.AddRange([c.Face(true, -1), c.Face(true, 1)]);
                }

                stops.AddRange(Stretches.Select(s => s.To));
                SharedStretch[] shared = [.. Shared()];
                stops.AddRange(shared.SelectMany(s => (double[])[s.From, s.To]));
                mesh = new SpringMesh(body.LowX, body.HighX, body.Width, Stiffness, [.. Stretches], stops, 1, shared);
            }

            return mesh;
        }
    }

    /// <summary>
    /// Sections between neighbours of which the shear changes its sign once at most, m from the body's centroid: where elements end, where
    /// loads beside the columns begin and end, just before and behind those that stand on a point. At a free end the shear is nil: whether
    /// it changes its sign on the way there is told a little before.
    /// </summary>
    public IReadOnlyList<double> Turns => turns ??= FindTurns();

    private double[] FindTurns()
    {
        var nodes = Mesh.Nodes;
        var (low, high) = (nodes[0] + (NearEnd * (nodes[1] - nodes[0])), nodes[^1] - (NearEnd * (nodes[^1] - nodes[^2])));
        List<double> list = [low, .. nodes[1..^1], high];
        foreach (ref readonly var load in body.PlacedLoads)
        {
            list.AddRange(load.X0 == load.X1 ? [load.X0 - Beside, load.X0 + Beside] : [load.X0, load.X1]);
        }

        return [.. list.Where(x => x >= low && x <= high).Order()];
    }

    /// <summary>The beam in a combination; read only where the body is in equilibrium.</summary>
    public SpringBeam Beam(int combination)
    {
        _ = body.Contact(combination);
        return beams[combination]!;
    }

    /// <summary>How the ground holds it in a combination.</summary>
    internal ContactSolution Hold(int combination) => Solve(ref beams[combination], combination, true);

    /// <summary>The same without the surcharge.</summary>
    internal ContactSolution HoldWithoutSurcharge(int combination) => Solve(ref without, combination, false);

    /// <summary>The greatest and least pressure without the surcharge, kPa.</summary>
    internal (double Most, double Least) WithoutSurcharge(int combination)
    {
        if (body.Ground.Surcharge == 0 || body.Place.SurchargeFactors[combination] == 0)
        {
            var (all, none, _) = Beam(combination).Pressures();
            return (all, none);
        }

        if (HoldWithoutSurcharge(combination).State == ContactState.NoEquilibrium)
        {
            return default;
        }

        var (most, least, _) = without!.Pressures();
        return (most, least);
    }

    private SpringBeam OfMesh(SpringBeam? beam) => beam?.IsOf(Mesh) == true ? beam : new SpringBeam(Mesh);

    private ContactSolution Solve(ref SpringBeam? beam, int k, bool withSurcharge)
    {
        var line = Lay(k, withSurcharge);
        beam = OfMesh(beam);
        if (body.Place.Row?.Shares?.Apart.Contains(k) == true || !beam.Solve(loads, line))
        {
            return ContactSolution.None;
        }

        // There is no plane: whoever asks for one is told so.
        return new ContactSolution(beam.Share < 1 ? ContactState.Partial : ContactState.Full,
            new PressureField(double.NaN, double.NaN, double.NaN, 0, 0), beam.Share);
    }

    /// <summary>
    /// Where its axis settles most in a combination beyond what the overburden pressed before: there, the springs' shortening, and the
    /// overburden's share of it, m.
    /// </summary>
    /// <param name="combination">The combination.</param>
    /// <param name="overburden">Pressure at the underside before the work, kPa.</param>
    public (double X, double Sinks, double Before) Sinks(int combination, double overburden)
    {
        var (beam, at, most, share) = (Beam(combination), 0.0, double.NegativeInfinity, 0.0);
        const int parts = 4;
        for (var i = 1; i < beam.Nodes.Count; i++)
        {
            var (from, to) = (beam.Nodes[i - 1], beam.Nodes[i]);
            var before = overburden / ModulusAt((from + to) / 2);
            for (var j = i == 1 ? 0 : 1; j <= parts; j++)
            {
                var x = from + ((to - from) * j / parts);
                var w = beam.SettlementIn(i - 1, (double)j / parts);
                (at, most, share) = w - before > most - share ? (x, w, before) : (at, most, share);
            }
        }

        return (at, most, share);
    }

    /// <summary>
    /// Where the axis sinks most and least over a stretch of ground in a combination: of the elements' ends and middles.
    /// </summary>
    internal (SpringBeam.Sunk Most, SpringBeam.Sunk Least) Extremes(int combination, int stretch)
    {
        var beam = Beam(combination);
        ref var kept = ref extremes[combination];
        if (kept?.Length != Stretches.Count)
        {
            kept = new Kept[Stretches.Count];
        }

        ref var own = ref kept[stretch];
        if (own.Of != beam || own.Solved != beam.Solved)
        {
            var (low, high) = (stretch == 0 ? double.NegativeInfinity : Stretches[stretch - 1].To, Stretches[stretch].To);
            own = new Kept(beam, beam.Solved, beam.Extremes(low, stretch == Stretches.Count - 1 ? double.PositiveInfinity : high));
        }

        return own.At;
    }

    private record struct Kept(SpringBeam? Of, int Solved, (SpringBeam.Sunk Most, SpringBeam.Sunk Least) At);

    /// <summary>The subgrade modulus at a section, kN/m3; where it changes that towards −x.</summary>
    public double ModulusAt(double x)
    {
        foreach (var s in Stretches)
        {
            if (x <= s.To)
            {
                return s.Modulus;
            }
        }

        return Stretches[^1].Modulus;
    }

    // What presses on it: columns over their widths, what lies beside them, soil that rises with it; and on each metre weights less water.
    private double Lay(int k, bool withSurcharge)
    {
        var (count, b) = (body.Columns.Length + body.PlacedLoads.Length + 2, body);
        loads = loads.Length == count ? loads : new BeamLoad[count];
        var i = 0;
        foreach (var c in b.Columns)
        {
            var n = c.Action(k).N + c.PrismWeight(k);
            loads[i++] = new BeamLoad(c.Face(true, -1), c.Face(true, 1), n, c.My(k), (n * c.Y) - c.Mx(k));
        }

        for (var j = 0; j < b.PlacedLoads.Length; j++)
        {
            ref readonly var load = ref b.PlacedLoads[j];
            var n = b.Place.LoadTerms[k][j].Factor * load.N;
            loads[i++] = new BeamLoad(Math.Min(load.X0, load.X1), Math.Max(load.X0, load.X1), n, 0, n * load.Y);
        }

        var (wedge, corner) = b.Rising(k);
        var end = (wedge * b.Width) + (2 * corner);
        (loads[i], loads[i + 1]) = (new BeamLoad(b.LowX, b.LowX, end, 0, 0), new BeamLoad(b.HighX, b.HighX, end, 0, 0));
        var pressed = b.WeightPerArea(k) - (withSurcharge ? 0 : b.Place.SurchargeFactors[k] * b.Ground.Surcharge);
        return ((pressed - b.GroundLoad(k).WaterPressure) * b.Width) + (2 * wedge);
    }

    // What is left of a moment that is nil says nothing.
    private double Rounded(double moment, double force) => Math.Abs(moment) < 1e-9 * force * body.Length ? 0 : moment;

    /// <summary>Tells how it was found.</summary>
    internal void Tell<T>(int k, bool withSurcharge, in ContactSolution solution, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading("Ground springs under a beam: p = max(0, k·(w(x) + θ·y))");
        var b = body;
        for (var i = 0; i < Stretches.Count; i++)
        {
            var of = Ground.GroundAlong.NameOf(Grounds[i].Ground);
            var words = Stretches.Count == 1 ? "subgrade modulus"
                : $"subgrade modulus of {of}, up to x = {Unit.Length.FormatWithSymbol(Stretches[i].To, b.Units)} from the centroid";
            trace.Given(Stretches.Count == 1 ? "k" : $"k{i + 1}", Stretches[i].Modulus, Unit.Subgrade, words);
        }

        TellShared(ref trace);
        trace.Given("Ec", Elasticity, Unit.Stress, "of the concrete", b.Code.ElasticityClause);
        trace.Given("I", Inertia, Unit.FourthPower, "of the whole section along x"
            + (Factor == 1 ? "" : string.Create(System.Globalization.CultureInfo.InvariantCulture, $", counted {Factor:0.##} times")));
        trace.Given("1/λ", 1 / Characteristic, Unit.Length, "elastic length: (4·Ec·I/(k·B))^¼", "Hetényi 1946");
        if (solution.State == ContactState.NoEquilibrium)
        {
            trace.Remark("The springs, which pull nowhere, hold the loads in no place: there is no equilibrium.");
            return;
        }

        if (!withSurcharge)
        {
            _ = HoldWithoutSurcharge(k);
        }

        var beam = withSurcharge ? Beam(k) : without!;
        var (most, least, at) = beam.Pressures();
        var all = beam.Over(b.LowX, -b.Width / 2, b.HighX, b.Width / 2);
        trace.Given("∫p dA", all.Force, Unit.Force, "the balance, over all elements");
        trace.Given("∫p·x dA", Rounded(all.MomentX, all.Force), Unit.Moment, "ΣMy: the same");
        trace.Given("∫p·y dA", Rounded(all.MomentY, all.Force), Unit.Moment, "−ΣMx: the same");
        trace.Given("θ·B/2", beam.Turn * b.Width / 2, Unit.Settlement, "what the edge at +y sinks more than the middle");
        trace.Given("share", solution.Share, Unit.Ratio, "of the base in contact");
        trace.Given("p,most", most, Unit.Pressure, $"at {Unit.Length.FormatWithSymbol(at.X, b.Units)} along x, at the edge "
            + $"{(at.Y < 0 ? "−y" : "+y")}");
        trace.Given("p,least", least, Unit.Pressure, "the least anywhere");
        foreach (var c in b.Columns)
        {
            trace.Given(BaseLoadCase.Of("w", c), beam.Settlement(c.X), Unit.Settlement, "the middle sinks under the column");
        }
    }
}
