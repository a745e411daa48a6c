using Plinth.Core.Buildings;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>What a group of bars does in a footing.</summary>
public enum BarRole
{
    /// <summary>Bottom, along the base's x.</summary>
    BottomX,

    /// <summary>Bottom, along y.</summary>
    BottomY,

    /// <summary>Top, along x.</summary>
    TopX,

    /// <summary>Top, along y.</summary>
    TopY,

    /// <summary>Upright bars of a pedestal or of a socket's walls.</summary>
    Pedestal,

    /// <summary>Ties of a pedestal, or outer ties of a socket.</summary>
    Ties,

    /// <summary>Inner ties of a socket.</summary>
    InnerTies,

    /// <summary>Cross-ties of a pedestal that run along x.</summary>
    CrossTiesX,

    /// <summary>Cross-ties of a pedestal that run along y.</summary>
    CrossTiesY,

    /// <summary>Dowels into the column.</summary>
    Dowels,
}

/// <summary>Bars of one size and shape in one footing.</summary>
/// <param name="Role">What they do.</param>
/// <param name="Size">Their size.</param>
/// <param name="Count">How many in one footing.</param>
/// <param name="Shape">Their shape.</param>
/// <param name="Layer">"B1", "B2", "T1", "T2": bottom or top, 1 the outermost; empty for upright bars and ties.</param>
public sealed record BarGroup(BarRole Role, BarSize Size, int Count, BarShape Shape, string Layer)
{
    /// <summary>Mass in one footing by cutting lengths, kg.</summary>
    public double Mass => Count * Size.MassPerMetre * Shape.Length;
}

/// <summary>All bars of one footing (of one place), as they are bent and cut.</summary>
public static class BarList
{
    /// <summary>The bars of a design at a foundation's first place, in the order of the schedule.</summary>
    public static IReadOnlyList<BarGroup> Of(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var rules = foundation.Rules;
        var side = rules.Concrete.CoverSide;
        var bars = design.Bars(side);
        var outerIsX = rules.Steel.OuterIsX(design.Size);
        var list = new List<BarGroup>();
        void Mat(BarRole role, BarLayer layer, double length, bool alongX)
        {
            if (layer is { Size: { } size, Any: true })
            {
                list.Add(new BarGroup(role, size, layer.Count, Shape(project.Code, layer, length - (2 * side)), (role is BarRole.BottomX or BarRole.BottomY ? "B" : "T") + (alongX == outerIsX ? "1" : "2")));
            }
        }

        Mat(BarRole.BottomX, bars.BottomX, design.Size.Length, true);
        Mat(BarRole.BottomY, bars.BottomY, design.Size.Width, false);
        Mat(BarRole.TopX, bars.TopX, design.Size.Length, true);
        Mat(BarRole.TopY, bars.TopY, design.Size.Width, false);
        Standing(project, foundation, design, bars, list);
        return list;
    }

    /// <summary>The shape of the bars of a layer.</summary>
    /// <param name="code">The code whose hooks they have.</param>
    /// <param name="layer">The bars; there must be some.</param>
    /// <param name="length">Between the outer faces of their ends, m.</param>
    public static BarShape Shape(ConcreteCode code, BarLayer layer, double length)
    {
        ArgumentNullException.ThrowIfNull(code);
        var size = layer.Size ?? throw new ArgumentException("There are no bars.", nameof(layer));
        return layer.Hooked ? BarShape.TwoBends(size, code.HookHeight(size.Diameter), length, code.BendDiameter(size.Diameter) / 2) : BarShape.Straight(length);
    }

    // Upright bars stand with a foot on the bottom mat; those of a pedestal end at its top cover, dowels run on by a lap with the column's bars.
    private static void Standing(Project project, Foundation foundation, FoundationDesign design, Reinforcement bars, List<BarGroup> list)
    {
        var code = project.Code;
        var none = default(Tracing.NoTrace);
        var (place, rules) = (foundation.Places[0], foundation.Rules);
        var height = Height(foundation, design);
        var inBase = design.Size.Thickness - rules.Concrete.CoverBottom - bars.BottomX.Diameter - bars.BottomY.Diameter;
        void Upright(BarRole role, BarSpec upright, double leg)
        {
            if (upright.Size is { } size)
            {
                list.Add(new BarGroup(role, size, upright.Count, BarShape.OneBend(size, code.HookHeight(size.Diameter), leg, code.BendDiameter(size.Diameter) / 2), ""));
            }
        }

        if (design.Pedestal is { } p)
        {
            var cover = rules.Pedestal.Cover;
            Upright(BarRole.Pedestal, p.Bars, inBase + height - cover);
            if (p.Ties is { Size: { } tie, Spacing: > 0 })
            {
                var ties = PedestalTies.Of(code, rules, place.Support, p, height);
                var count = ties.Levels.Count;
                var (bend, extension) = code.TieHook(tie.Diameter);
                var hook = (bend / 2) + tie.Diameter + extension;
                list.Add(new BarGroup(BarRole.Ties, tie, count, p.Round ? BarShape.Hoop(tie, p.SizeX - (2 * cover), code.HoopOverlap, hook, bend / 2) : BarShape.Closed(tie, p.SizeX - (2 * cover), p.SizeY - (2 * cover), hook, bend / 2), ""));
                void Cross(BarRole role, int each, double length)
                {
                    if (each > 0)
                    {
                        list.Add(new BarGroup(role, tie, count * each, BarShape.CrossTie(tie, length, hook, bend / 2), ""));
                    }
                }

                Cross(BarRole.CrossTiesX, ties.AlongX.Count, p.SizeX - (2 * cover));
                Cross(BarRole.CrossTiesY, ties.AlongY.Count, p.SizeY - (2 * cover));
                if (p.Socket is not null)
                {
                    var beyond = 2 * (cover + tie.Diameter);
                    list.Add(new BarGroup(BarRole.InnerTies, tie, count, BarShape.Closed(tie, p.ClearX + beyond, p.ClearY + beyond, hook, bend / 2), ""));
                }
            }
        }

        var lap = DowelLap.Length(ref none, code, rules, place.Support, new BarLayer(design.Dowels.Count, design.Dowels.Size), DowelLap.Pulled(project, foundation, design));
        Upright(BarRole.Dowels, design.Dowels, inBase + height + lap);
    }

    /// <summary>Height of the pedestal over the base at a foundation's first place, m; 0 without.</summary>
    public static double Height(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        if (design.Pedestal is not { } p)
        {
            return 0;
        }

        var place = foundation.Places[0];
        var top = place.Ground.Underside(design.Size.Thickness) + design.Size.Thickness;
        return Math.Max(0, (foundation.Rules.Pedestal.TopLevel(place.Support, top, p.Socket?.Depth) ?? top) - top);
    }
}
