using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>Quantities of one base (of one place).</summary>
/// <param name="Concrete">m3.</param>
/// <param name="Steel">kg, by cutting lengths.</param>
/// <param name="Excavation">m3: the plan of the base to the underside of the blinding; no working space.</param>
/// <param name="Formwork">m2: the sides of base and pedestal, inside and outside of a socket.</param>
/// <param name="Blinding">m3, under the plan of the base and as far beyond it as the rules say.</param>
/// <param name="Piles">Number of piles.</param>
/// <param name="PileMetres">m of piles, where their length is stated.</param>
public readonly record struct Quantities(double Concrete, double Steel, double Excavation, double Formwork, double Blinding,
    double Piles = 0, double PileMetres = 0)
{
    /// <summary>Quantities of a design at a foundation's first place.</summary>
    public static Quantities Of(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return Of(project, foundation, design, foundation.Kind.Mats(project, foundation, design));
    }

    /// <summary>The same where the bars in the base are known as they are cut.</summary>
    internal static Quantities Of(Project project, Foundation foundation, FoundationDesign design, IReadOnlyList<MatBars> mats)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(design);
        var thickness = design.WholeDepth;
        var concrete = foundation.Rules.Concrete;
        var ground = foundation.Places[0].Ground;
        var depth = Math.Max(0, ground.Level - ground.Underside(thickness)) + concrete.Blinding;
        var own = foundation.Kind.Quantities(foundation, design);

        // What two rows of a grid cover counts half for each.
        var shared = foundation.Row?.Shares?.At.Sum(s => s.Area) / 2 ?? 0;
        own = shared == 0 ? own
            : own with
            {
                Concrete = own.Concrete - (shared * design.Size.Thickness),
                Dug = own.Dug - shared,
                Blinded = own.Blinded - shared,
                BlindedWith = beyond => design.AreaWith(beyond) - shared,
            };
        var (volume, sides) = Standing(foundation, design);
        return new Quantities(
            own.Concrete + volume,
            BarList.Of(project, foundation, design, mats).Sum(b => b.Mass),
            own.Dug * depth,
            own.Formwork + sides,
            own.BlindedWith(concrete.BlindingBeyond) * concrete.Blinding,
            foundation.Kind.BearsOnGround ? 0 : foundation.Kind.PilesAt(foundation, foundation.Places[0], design).Count,
            foundation.Kind.BearsOnGround ? 0 : foundation.Kind.PilesAt(foundation, foundation.Places[0], design).Sum(p => p.Length ?? 0));
    }

    /// <summary>A number of the same.</summary>
    public static Quantities operator *(int number, in Quantities q) =>
        new(number * q.Concrete, number * q.Steel, number * q.Excavation, number * q.Formwork, number * q.Blinding, number * q.Piles,
            number * q.PileMetres);

    /// <summary>Both together.</summary>
    public static Quantities operator +(in Quantities a, in Quantities b) =>
        new(a.Concrete + b.Concrete, a.Steel + b.Steel, a.Excavation + b.Excavation, a.Formwork + b.Formwork, a.Blinding + b.Blinding,
            a.Piles + b.Piles, a.PileMetres + b.PileMetres);

    /// <summary>Mass of a layer, kg, by cutting lengths.</summary>
    /// <param name="code">The code whose hooks they are.</param>
    /// <param name="layer">The bars.</param>
    /// <param name="length">Between the outer faces of their ends, m.</param>
    public static double MassOf(ConcreteCode code, BarLayer layer, double length) =>
        layer.Size is { } size ? layer.Count * size.MassPerMetre * BarList.Shape(code, layer, length).Length : 0;

    // Concrete and forms of what stands on the base.
    private static (double Concrete, double Formwork) Standing(Foundation foundation, FoundationDesign design)
    {
        var (concrete, formwork) = (0.0, 0.0);
        for (var i = 0; i < design.Columns; i++)
        {
            if (design.Under(i).Pedestal is { } p)
            {
                var height = BarList.Height(foundation, design, i);
                var perimeter = p.Round ? Math.PI * p.SizeX : 2 * (p.SizeX + p.SizeY);
                var hollow = p.Socket is { } socket ? socket.Depth + foundation.Rules.Pedestal.Sockets.Bed : 0;
                concrete += (p.Area * height) - ((p.Area - p.OwnArea) * hollow);
                formwork += (perimeter * height) + (p.Socket is null ? 0 : 2 * (p.ClearX + p.ClearY) * hollow);
            }
        }

        return (concrete, formwork);
    }
}
