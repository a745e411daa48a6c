using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;

namespace Plinth.Core.Figures;

/// <summary>Force with moment, at design strength or as it acts.</summary>
/// <param name="N">Downwards, kN.</param>
/// <param name="M">kNm.</param>
public readonly record struct ForceWithMoment(double N, double M);

/// <summary>What acts on a pedestal, or on the shaft of a pile, in a combination.</summary>
/// <param name="Combination">Its name.</param>
/// <param name="Where">"at the foot", "at the top", "on pile 3".</param>
/// <param name="N">Downwards, kN.</param>
/// <param name="Mx">About x, kNm.</param>
/// <param name="My">About y, kNm.</param>
/// <param name="Utilisation">Load over design strength in the load's own direction.</param>
public readonly record struct ActingLoad(string Combination, string Where, double N, double Mx, double My, double Utilisation);

/// <summary>The design strength of a pedestal or a shaft under force and moments, with the loads of all combinations.</summary>
/// <param name="AboutX">Design strength under bending about x alone, M from 0 to both sides, a closed curve.</param>
/// <param name="AboutY">The same about y.</param>
/// <param name="Across">Mx (as N) and My (as M) that are held together with the force of the load that is used most, a closed curve; empty
/// where none is.</param>
/// <param name="Loads">The loads, the most used first.</param>
public sealed record InteractionFigure(IReadOnlyList<ForceWithMoment> AboutX, IReadOnlyList<ForceWithMoment> AboutY,
    IReadOnlyList<ForceWithMoment> Across, IReadOnlyList<ActingLoad> Loads)
{
    private const int Rays = 144;
    private const int ContourRays = 60;

    /// <summary>The interaction at a place; null without a pedestal, or in a socket.</summary>
    /// <param name="s">What stands on the base, its design set.</param>
    public static InteractionFigure? Of(Standing s)
    {
        ArgumentNullException.ThrowIfNull(s);
        if (s.Pedestal is not { Socket: null, Bars.Size: not null })
        {
            return null;
        }

        return Of(s.Code, s.Joints.Pedestal(s), from k in s.Trial.CombinationsFor(Family.Concrete).ToArray()
                                                from foot in (bool[])[true, false]
                                                let a = foot ? JointSections.AtPedestalFoot(s, k) : JointSections.AtPedestalTop(s, k)
                                                select (s.Combinations[k].Name, foot ? "at the foot" : "at the top", a.N, a.Mx, a.My));
    }

    /// <summary>The interaction of a section with what acts on it.</summary>
    /// <param name="code">The code.</param>
    /// <param name="section">The section.</param>
    /// <param name="acting">By combination, where: N downwards, moments about x and about y, kN and kNm.</param>
    internal static InteractionFigure Of(ConcreteCode code, ColumnSection section,
        IEnumerable<(string Combination, string Where, double N, double Mx, double My)> acting)
    {
        double Times(double n, double mx, double my)
        {
            var none = default(NoTrace);
            return code.TimesHeld(ref none, section, n, mx, my);
        }

        var (force, arm) = (section.Squash, Math.Max(section.SizeX, section.SizeY) / 4);

        // By rays from the origin: the strength along each is what the check itself finds.
        IReadOnlyList<ForceWithMoment> Curve(double x, double y) => [.. Enumerable.Range(0, Rays).Select(i =>
        {
            var (sin, cos) = Math.SinCos(2 * Math.PI * i / Rays);
            var (n, m) = (force * cos, force * arm * sin);
            var times = Times(n, m * x, m * y);
            return new ForceWithMoment(times * n, times * m);
        })];

        var loads = new List<ActingLoad>();
        foreach (var (combination, where, n, mx, my) in acting)
        {
            var times = Math.Abs(n) + Math.Sqrt((mx * mx) + (my * my)) > 0 ? Times(n, mx, my) : double.PositiveInfinity;
            loads.Add(new ActingLoad(combination, where, n, mx, my, times > 0 ? 1 / times : Outcome.NoCapacity));
        }

        loads.Sort((a, b) => b.Utilisation.CompareTo(a.Utilisation));
        return new InteractionFigure(Curve(1, 0), Curve(0, 1), loads.Count == 0 ? [] : Contour(loads[0].N),
            loads.DistinctBy(l => (l.Combination, l.Where, l.N, l.Mx, l.My)).ToList());

        IReadOnlyList<ForceWithMoment> Contour(double n)
        {
            if (Times(n, 0, 0) < 1)
            {
                return [];
            }

            return [.. Enumerable.Range(0, ContourRays).Select(i =>
            {
                var (sin, cos) = Math.SinCos(2 * Math.PI * i / ContourRays);
                var beyond = new Beyond(m => Math.Min(2, Times(n, m * cos, m * sin)) - 1);
                var moment = Numerics.Root.Between(ref beyond, 0, force * arm * 4);
                return new ForceWithMoment(moment * cos, moment * sin);
            })];
        }
    }

    // How much more than a load is held, by moment.
    private readonly struct Beyond(Func<double, double> held) : Numerics.IFunction
    {
        public double At(double x) => held(x);
    }
}
