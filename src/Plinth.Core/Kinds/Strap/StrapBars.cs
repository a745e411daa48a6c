using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.Strap;

/// <summary>The bars of a strap footing as they are bent and cut.</summary>
internal static class StrapBars
{
    /// <summary>Those of both bases, layer by layer.</summary>
    public static IReadOnlyList<MatBars> Of(Foundation foundation, StrapDesign design)
    {
        var side = foundation.Rules.Concrete.CoverSide;
        var list = new List<MatBars>();
        for (var i = 0; i < 2; i++)
        {
            var own = design.Base(i);
            foreach (var (role, alongX, bottom) in new[] { (BarRole.BottomX, true, true), (BarRole.BottomY, false, true),
                (BarRole.TopX, true, false), (BarRole.TopY, false, false) })
            {
                var (breadth, length) = alongX ? (own.Width, own.Length) : (own.Length, own.Width);
                list.Add(new MatBars(role, own.Layer(alongX, bottom).Resolve(breadth, side), length - (2 * side),
                    $"in the {StrapFields.Parts[i]} base"));
            }
        }

        return list;
    }

    /// <summary>Those of the beam.</summary>
    public static IReadOnlyList<BarGroup> OfBeam(Project project, Foundation foundation, StrapDesign design)
    {
        var place = StrapPlace.Of(foundation.Held, foundation.Places[0], design);
        return BeamBarList.Of(project.Code, foundation.Rules.Concrete, design.Beam, place.EdgeFrom, place.BeamTo,
            "of the beam");
    }
}
