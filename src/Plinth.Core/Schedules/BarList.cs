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

    /// <summary>Bars along the sides of a cap.</summary>
    Sides,

    /// <summary>Top bars of a beam.</summary>
    BeamTop,

    /// <summary>Bottom bars of a beam.</summary>
    BeamBottom,

    /// <summary>Bars along the sides of a beam.</summary>
    BeamSides,

    /// <summary>Stirrups of a beam.</summary>
    Stirrups,

    /// <summary>Starters of a wall, with a foot in its base.</summary>
    Starters,

    /// <summary>Upright bars of a wall.</summary>
    WallUpright,

    /// <summary>Level bars of a wall.</summary>
    WallLevel,

    /// <summary>Upright bars of piles.</summary>
    PileBars,

    /// <summary>Ties of piles.</summary>
    PileTies,
}

/// <summary>What roles have in common.</summary>
public static class BarRoles
{
    /// <summary>Whether bars lie at the bottom of a base.</summary>
    public static bool IsBottom(this BarRole role) => role is BarRole.BottomX or BarRole.BottomY;

    /// <summary>Whether bars of a base lie along its x.</summary>
    public static bool IsAlongX(this BarRole role) => role is BarRole.BottomX or BarRole.TopX;
}

/// <summary>Bars of a layer of a base, alike in length.</summary>
/// <param name="Role">Which layer.</param>
/// <param name="Layer">The bars.</param>
/// <param name="Length">Between the outer faces of their ends, m.</param>
/// <param name="Where">In which part of the base: "at C5"; empty: all over it.</param>
public readonly record struct MatBars(BarRole Role, BarLayer Layer, double Length, string Where = "")
{
    /// <summary>How many of their ends are those of the layer, hooked where it is; the others end straight within the base.</summary>
    public int Ends { get; init; } = 2;
}

/// <summary>Bars of one size and shape in one footing.</summary>
/// <param name="Role">What they do.</param>
/// <param name="Size">Their size.</param>
/// <param name="Count">How many in one footing.</param>
/// <param name="Shape">Their shape.</param>
/// <param name="Layer">"B1", "B2", "T1", "T2": bottom or top, 1 the outermost; empty for upright bars and ties.</param>
public sealed record BarGroup(BarRole Role, BarSize Size, int Count, BarShape Shape, string Layer)
{
    /// <summary>In which part of the footing: "at C5"; empty: all over it, or there is but one.</summary>
    public string Where { get; init; } = "";

    /// <summary>Mass in one footing by cutting lengths, kg.</summary>
    public double Mass => Count * Size.MassPerMetre * Shape.Length;
}

/// <summary>All bars of one footing (of one place), as they are bent and cut.</summary>
public static class BarList
{
    /// <summary>The bars of a design at a foundation's first place, in the order of the schedule.</summary>
    public static IReadOnlyList<BarGroup> Of(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return [.. Of(project, foundation, design, foundation.Kind.Mats(project, foundation, design)),
            .. foundation.Kind.PileBars(project, foundation, design)];
    }

    /// <summary>The same where the bars in the base are known as they are cut.</summary>
    internal static IReadOnlyList<BarGroup> Of(Project project, Foundation foundation, FoundationDesign design, IReadOnlyList<MatBars> mats)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(design);
        var outerIsX = foundation.Kind.OuterIsX(foundation, design);
        var list = new List<BarGroup>();
        foreach (var mat in mats)
        {
            if (mat.Layer is { Size: { } size, Any: true })
            {
                list.Add(new BarGroup(mat.Role, size, mat.Layer.Count, Shape(project.Code, mat.Layer, mat.Length, mat.Ends),
                    (mat.Role.IsBottom() ? "B" : "T") + (mat.Role.IsAlongX() == outerIsX ? "1" : "2"))
                { Where = mat.Where });
            }
        }

        var below = foundation.Rules.Concrete.CoverBottom + Thickest(mats, BarRole.BottomX) + Thickest(mats, BarRole.BottomY);
        for (var i = 0; i < design.Columns; i++)
        {
            Standing(project, foundation, design, i, below, list);
        }

        list.AddRange(foundation.Kind.OtherBars(project, foundation, design));
        return list;
    }

    /// <summary>The shape of the bars of a layer.</summary>
    /// <param name="code">The code whose hooks they have.</param>
    /// <param name="layer">The bars; there must be some.</param>
    /// <param name="length">Between the outer faces of their ends, m.</param>
    /// <param name="ends">How many of their ends are those of the layer; the others are straight.</param>
    public static BarShape Shape(ConcreteCode code, BarLayer layer, double length, int ends = 2)
    {
        ArgumentNullException.ThrowIfNull(code);
        var size = layer.Size ?? throw new ArgumentException("There are no bars.", nameof(layer));
        if (!layer.Hooked || ends == 0)
        {
            return BarShape.Straight(length);
        }

        var (hook, radius) = (code.HookHeight(size.Diameter), code.BendDiameter(size.Diameter) / 2);
        return ends == 1 ? BarShape.HookedOnce(size, hook, length, radius) : BarShape.TwoBends(size, hook, length, radius);
    }

    private static double Thickest(IReadOnlyList<MatBars> mats, BarRole role) =>
        mats.Where(m => m.Role == role).Max(m => (double?)m.Layer.Diameter) ?? 0;

    // Upright bars stand with a foot on the bottom mat; those of a pedestal end at its top cover, dowels run on by a lap with the column's
    // bars.
    private static void Standing(Project project, Foundation foundation, FoundationDesign design, int column, double below,
        List<BarGroup> list)
    {
        var code = project.Code;
        var none = default(Tracing.NoTrace);
        var (support, rules, upright) = (foundation.Places[0].Supports[column], foundation.Rules, design.Under(column));
        var where = design.Columns == 1 ? "" : "at " + support.Label;
        var height = Height(foundation, design, column);
        var inBase = design.ThicknessUnder(column) - below;
        void Upright(BarRole role, BarSpec bars, double leg)
        {
            if (bars.Size is { } size)
            {
                list.Add(new BarGroup(role, size, bars.Count,
                    BarShape.OneBend(size, code.HookHeight(size.Diameter), leg, code.BendDiameter(size.Diameter) / 2),
                    "")
                { Where = where });
            }
        }

        if (upright.Pedestal is { } p)
        {
            var cover = rules.Pedestal.Cover;
            Upright(BarRole.Pedestal, p.Bars, inBase + height - cover);
            if (p.Ties is { Size: { } tie, Spacing: > 0 })
            {
                var ties = PedestalTies.Of(code, rules, support, p, height);
                var count = ties.Levels.Count;
                var (bend, extension) = code.TieHook(tie.Diameter);
                var hook = (bend / 2) + tie.Diameter + extension;
                list.Add(new BarGroup(BarRole.Ties, tie, count,
                    p.Round
                        ? BarShape.Hoop(tie, p.SizeX - (2 * cover), code.HoopOverlap, hook, bend / 2)
                        : BarShape.Closed(tie, p.SizeX - (2 * cover), p.SizeY - (2 * cover), hook, bend / 2), "")
                { Where = where });
                void Cross(BarRole role, int each, double length)
                {
                    if (each > 0)
                    {
                        list.Add(new BarGroup(role, tie, count * each, BarShape.CrossTie(tie, length, hook, bend / 2),
                            "")
                        { Where = where });
                    }
                }

                Cross(BarRole.CrossTiesX, ties.AlongX.Count, p.SizeX - (2 * cover));
                Cross(BarRole.CrossTiesY, ties.AlongY.Count, p.SizeY - (2 * cover));
                if (p.Socket is not null)
                {
                    var beyond = 2 * (cover + tie.Diameter);
                    list.Add(new BarGroup(BarRole.InnerTies, tie, count,
                        BarShape.Closed(tie, p.ClearX + beyond, p.ClearY + beyond, hook, bend / 2), "")
                    { Where = where });
                }
            }
        }

        var lap = DowelLap.Length(ref none, code, rules, support, new BarLayer(upright.Dowels.Count, upright.Dowels.Size),
            DowelLap.Pulled(project, foundation, design, column));
        Upright(BarRole.Dowels, upright.Dowels, inBase + height + lap);
    }

    /// <summary>Height of a column's pedestal over the base at a foundation's first place, m; 0 without.</summary>
    public static double Height(Foundation foundation, FoundationDesign design, int column)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        if (design.Under(column).Pedestal is not { } p)
        {
            return 0;
        }

        var place = foundation.Places[0];
        var top = place.Ground.Underside(design.WholeDepth) + design.ThicknessUnder(column);
        return Math.Max(0, (foundation.Rules.Pedestal.TopLevel(place.Supports[column], top, p.Socket?.Depth) ?? top) - top);
    }
}
