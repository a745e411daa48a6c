using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Drawing.Drawings;

/// <summary>A footing where it lies.</summary>
internal sealed record PlacedFooting(string Mark, Place Place, PlanPoint[] Corners, FoundationDesign Design, bool Existing)
{
    /// <summary>Corners of each of its parts: its base, or its bases and the beam between them.</summary>
    public IReadOnlyList<PlanPoint[]> Parts { get; init; } = [Corners];

    /// <summary>Whether it is a row of a grid: others cross it at its columns.</summary>
    public bool Crosses { get; init; }

    /// <summary>Its piles; none of a base on the ground.</summary>
    public IReadOnlyList<Core.Piles.PlacedPile> Piles { get; init; } = [];
}

/// <summary>What is to be drawn, in project axes, m.</summary>
internal sealed class PlanModel
{
    public PlanModel(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        Footings = [
            .. designs.SelectMany(
                d =>
                    d.Foundation.Places.Select(place => new PlacedFooting(d.Foundation.Mark, place,
                        BaseGeometry.Corners(d.Foundation, place, d.Design), d.Design,
                        d.Foundation.Held.Built) {
                            Piles = d.Foundation.Kind.PilesAt(d.Foundation, place, d.Design),
                            Parts = BaseGeometry.Parts(d.Foundation, place, d.Design),
                            Crosses = d.Foundation.Row is not null,
                        }))];
        Along = GridLines.Of(project.Supports, true);
        Across = GridLines.Of(project.Supports, false);
        var points = Footings.SelectMany(f => f.Corners).Concat(project.Site.Boundary).Concat(project.Site.Zones.SelectMany(z => z.Corners))
            .Concat(project.Supports.Select(s => new PlanPoint(s.X, s.Y))).ToList();
        (Low, High) = (new PlanPoint(points.Min(p => p.X), points.Min(p => p.Y)),
            new PlanPoint(points.Max(p => p.X), points.Max(p => p.Y)));
    }

    public IReadOnlyList<PlacedFooting> Footings { get; }

    public IReadOnlyList<GridLine> Along { get; }

    public IReadOnlyList<GridLine> Across { get; }

    public PlanPoint Low { get; }

    public PlanPoint High { get; }

    public double Width => High.X - Low.X;

    public double Height => High.Y - Low.Y;
}
