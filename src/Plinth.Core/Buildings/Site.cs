using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Buildings;

/// <summary>A part of the plan that no base may enter.</summary>
/// <param name="Name">Its name; empty if none.</param>
/// <param name="Corners">Its corners, project axes, m.</param>
public sealed record KeepOut(string Name, IReadOnlyList<PlanPoint> Corners);

/// <summary>Where bases may lie: within the boundary, clear of zones. Project axes, m.</summary>
/// <param name="Boundary">Corners of the boundary; empty: none.</param>
/// <param name="Zones">Zones that no base may enter.</param>
public sealed record Site(IReadOnlyList<PlanPoint> Boundary, IReadOnlyList<KeepOut> Zones)
{
    /// <summary>What still counts as touching, m.</summary>
    internal const double Touch = 1e-6;

    /// <summary>A site without bounds.</summary>
    public static readonly Site Open = new([], []);

    /// <summary>Direction of north, degrees anticlockwise from the project's y axis; null: not stated.</summary>
    public double? NorthDegrees { get; init; }

    /// <summary>Whether it bounds anything.</summary>
    public bool IsOpen => Boundary.Count == 0 && Zones.Count == 0;

    /// <summary>
    /// How far a base reaches beyond the boundary or into a zone: its deepest point from the outline that it crosses, m; 0 where it lies
    /// well; and what is crossed.
    /// </summary>
    /// <param name="corners">Corners of the base, anticlockwise.</param>
    public (double Beyond, string Crossed) Beyond(IReadOnlyList<PlanPoint> corners)
    {
        ArgumentNullException.ThrowIfNull(corners);
        var worst = (Beyond: 0.0, Crossed: "");
        foreach (var (outline, within, name) in Outlines())
        {
            if (PlanReach.Crosses(outline, corners, within, Touch)
                && Math.Max(Touch, PlanReach.Depth(outline, corners, within)) is var depth && depth > worst.Beyond)
            {
                worst = (depth, name);
            }
        }

        return worst;
    }

    /// <summary>
    /// The least shift of a base along its own axes that brings it within the site at all its places; null if there is none.
    /// </summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="pedestal">Its pedestal; null: none.</param>
    /// <param name="size">The base without shift.</param>
    /// <param name="step">Shifts are whole multiples of it, m.</param>
    public BaseSize? Fit(Foundation foundation, Pedestal? pedestal, BaseSize size, double step)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        if (IsOpen)
        {
            return size;
        }

        var held = foundation.Held;
        var freeX = held.EdgeX0 is null && held.EdgeX1 is null && !held.OffsetXGiven;
        var freeY = held.EdgeY0 is null && held.EdgeY1 is null && !held.OffsetYGiven;
        PlanPoint Centre(Place place) =>
            BaseGeometry.Centre(place, place.Lie.Of(BaseGeometry.Offset(held, BaseGeometry.Outline(place, pedestal), size)));
        return Least(foundation.Places, Centre, size, freeX, freeY, step) is { } shift
            ? size with { ShiftX = Math.Round(size.ShiftX + shift.X, 6), ShiftY = Math.Round(size.ShiftY + shift.Y, 6) }
            : null;
    }

    /// <summary>
    /// The least shift of a rectangle along its own axes that brings it within the site at all places; null if there is none.
    /// </summary>
    /// <param name="places">The places.</param>
    /// <param name="centre">Its middle at a place without shift, project axes.</param>
    /// <param name="size">The rectangle.</param>
    /// <param name="freeX">Whether it may move along its x.</param>
    /// <param name="freeY">Whether it may move along its y.</param>
    /// <param name="step">Shifts are whole multiples of it, m.</param>
    internal PlanPoint? Least(IEnumerable<Place> places, Func<Place, PlanPoint> centre, BaseSize size, bool freeX, bool freeY, double step)
    {
        var space = new ShiftSpace(size);
        foreach (var place in places)
        {
            var frame = new PlaceFrame(place, centre(place));
            foreach (var (outline, within, _) in Outlines())
            {
                space.Add([.. outline.Select(frame.Local)], within);
            }
        }

        return space.Least(freeX, freeY, step);
    }

    private IEnumerable<(IReadOnlyList<PlanPoint> Outline, bool Within, string Name)> Outlines()
    {
        if (Boundary.Count > 0)
        {
            yield return (Boundary, true, "the boundary");
        }

        foreach (var zone in Zones)
        {
            yield return (zone.Corners, false, zone.Name.Length > 0 ? $"the zone {zone.Name}" : "a zone to keep out of");
        }
    }

    // Points of the plan from a base's centre, in the axes in which its design is shifted.
    private readonly struct PlaceFrame(Place place, PlanPoint centre)
    {
        private readonly (double Sin, double Cos) turn = Loads.SupportAction.SinCosDegrees(place.AngleDegrees);

        public PlanPoint Local(PlanPoint p)
        {
            var (x, y) = (p.X - centre.X, p.Y - centre.Y);
            return place.Lie.Of(new PlanPoint((x * turn.Cos) + (y * turn.Sin), (y * turn.Cos) - (x * turn.Sin)));
        }
    }
}
