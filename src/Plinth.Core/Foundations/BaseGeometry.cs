using Plinth.Core.Contact;

namespace Plinth.Core.Foundations;

/// <summary>How a pedestal suits what plinth.toml asks for and the column that it carries.</summary>
public enum PedestalFit
{
    /// <summary>It suits.</summary>
    Fits,

    /// <summary>One is asked for; there is none.</summary>
    Missing,

    /// <summary>There is one; none is asked for.</summary>
    NotAsked,

    /// <summary>A socket is asked for; the pedestal is solid.</summary>
    SocketMissing,

    /// <summary>It has a socket; none is asked for.</summary>
    SocketNotAsked,

    /// <summary>The column or its plate stands beyond it.</summary>
    ColumnBeyond,

    /// <summary>The column with its gaps does not go into the socket.</summary>
    SocketNarrow,

    /// <summary>The socket with its bed reaches below the top of the base.</summary>
    SocketDeep,
}

/// <summary>Where a base lies under its column.</summary>
public static class BaseGeometry
{
    /// <summary>Column's centre from the base's centre, in the base's axes: by held edges, else by the stated offset.</summary>
    public static PlanPoint Offset(HeldValues held, in ColumnOutline column, in BaseSize size)
    {
        ArgumentNullException.ThrowIfNull(held);
        return new PlanPoint(
            Offset(held.EdgeX0, held.EdgeX1, column.FaceX, size.Length, held.OffsetX) - size.ShiftX,
            Offset(held.EdgeY0, held.EdgeY1, column.FaceY, size.Width, held.OffsetY) - size.ShiftY);
    }

    /// <summary>What of a design stands on its base at a place: the pedestal, else the column.</summary>
    public static ColumnOutline Outline(Place place, Pedestal? pedestal)
    {
        ArgumentNullException.ThrowIfNull(place);
        return Outline(place, place.Support, pedestal);
    }

    /// <summary>What of a design stands on its base under one of its supports: the pedestal, else the column.</summary>
    public static ColumnOutline Outline(Place place, Support support, Pedestal? pedestal)
    {
        ArgumentNullException.ThrowIfNull(place);
        return pedestal is null ? ColumnOutline.Of(support, place.AngleDegrees) : ColumnOutline.Of(pedestal);
    }

    /// <summary>Whether what stands between base and columns is what the rules ask for, and holds the columns at every place.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">Its design.</param>
    /// <returns>What is wrong first, under which support; <see cref="PedestalFit.Fits"/> if nothing is.</returns>
    public static (PedestalFit Fit, int Column, Support Support) Standing(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        foreach (var place in foundation.Places)
        {
            for (var i = 0; i < place.Supports.Count; i++)
            {
                if (Standing(foundation.Rules.Pedestal, place, place.Supports[i], design.Under(i).Pedestal,
                    place.Ground.Underside(design.WholeDepth) + design.ThicknessUnder(i)) is not PedestalFit.Fits and var fit)
                {
                    return (fit, i, place.Supports[i]);
                }
            }
        }

        return (PedestalFit.Fits, 0, foundation.Places[0].Support);
    }

    private static PedestalFit Standing(PedestalRules rules, Place place, Support support, Pedestal? pedestal, double top)
    {
        const double slack = 1e-6;
        if (rules.Carries(support) != pedestal is not null)
        {
            return pedestal is null ? PedestalFit.Missing : PedestalFit.NotAsked;
        }

        if (pedestal is null)
        {
            return PedestalFit.Fits;
        }

        if (rules.HoldsInSocket(support) != pedestal.Socket is not null)
        {
            return pedestal.Socket is null ? PedestalFit.SocketMissing : PedestalFit.SocketNotAsked;
        }

        var o = ColumnOutline.Of(support, place.AngleDegrees);
        if (pedestal.Socket is not { } socket)
        {
            var stands = pedestal.Round
                ? Math.Sqrt((o.FaceX * o.FaceX) + (o.FaceY * o.FaceY)) <= pedestal.SizeX + slack
                : o.FaceX <= pedestal.SizeX + slack && o.FaceY <= pedestal.SizeY + slack;
            return stands ? PedestalFit.Fits : PedestalFit.ColumnBeyond;
        }

        if (o.FaceX + (2 * rules.Sockets.Gap) > pedestal.ClearX + slack || o.FaceY + (2 * rules.Sockets.Gap) > pedestal.ClearY + slack)
        {
            return PedestalFit.SocketNarrow;
        }

        return rules.TopLevel(support, top, socket.Depth) is { } rim && rim - top < socket.Depth + rules.Sockets.Bed - slack
            ? PedestalFit.SocketDeep
            : PedestalFit.Fits;
    }

    /// <summary>
    /// The place's origin, its column or midway between its first and last, from the base's centroid, in the base's axes.
    /// </summary>
    public static PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        return foundation.Kind.Offset(foundation, place, design);
    }

    /// <summary>The base's centroid at a place, in project axes, m.</summary>
    public static PlanPoint Centre(Foundation foundation, Place place, FoundationDesign design) =>
        Centre(place, Offset(foundation, place, design));

    /// <summary>Corners of the base at a place, project axes, anticlockwise, m.</summary>
    public static PlanPoint[] Corners(Place place, in PlanPoint centre, in BaseSize size)
    {
        ArgumentNullException.ThrowIfNull(place);
        var (sin, cos) = Loads.SupportAction.SinCosDegrees(place.AngleDegrees);
        var (cx, cy) = (centre.X, centre.Y);
        PlanPoint At(double x, double y) => new(cx + (x * cos) - (y * sin), cy + (x * sin) + (y * cos));
        var (l, b) = (size.Length / 2, size.Width / 2);
        return [At(-l, -b), At(l, -b), At(l, b), At(-l, b)];
    }

    /// <summary>Corners of an outline at a place, project axes, in its order, m.</summary>
    /// <param name="place">The place.</param>
    /// <param name="centre">Where its centroid lies, project axes.</param>
    /// <param name="outline">Its corners about the centroid, own axes.</param>
    public static PlanPoint[] Corners(Place place, in PlanPoint centre, IReadOnlyList<PlanPoint> outline)
    {
        ArgumentNullException.ThrowIfNull(place);
        ArgumentNullException.ThrowIfNull(outline);
        var (sin, cos) = Loads.SupportAction.SinCosDegrees(place.AngleDegrees);
        var (cx, cy) = (centre.X, centre.Y);
        return [.. outline.Select(c => new PlanPoint(cx + (c.X * cos) - (c.Y * sin), cy + (c.X * sin) + (c.Y * cos)))];
    }

    /// <summary>Corners of a design's base at a place, project axes, m.</summary>
    public static PlanPoint[] Corners(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(place);
        ArgumentNullException.ThrowIfNull(design);
        return Corners(place, Centre(foundation, place, design), place.Lie.OfOutline(foundation.Kind.Outline(foundation, place, design)));
    }

    /// <summary>Corners of each part of a design at a place, project axes, m.</summary>
    public static IReadOnlyList<PlanPoint[]> Parts(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        var centre = Centre(foundation, place, design);
        return [.. foundation.Kind.Parts(foundation, place, design).Select(p => Corners(place, centre, place.Lie.OfOutline(p)))];
    }

    /// <summary>The side that two held edges leave, m; null if it is open.</summary>
    public static double? HeldSide(HeldEdge? low, HeldEdge? high, double face) =>
        low is { } a && high is { } b ? a.From(face) + b.From(face) : null;

    /// <summary>Whether the column stands wholly on the base.</summary>
    public static bool ColumnOnBase(HeldValues held, in ColumnOutline column, in BaseSize size)
    {
        var o = Offset(held, column, size);
        const double slack = 1e-9;
        return Math.Abs(o.X) + (column.FaceX / 2) <= (size.Length / 2) + slack
            && Math.Abs(o.Y) + (column.FaceY / 2) <= (size.Width / 2) + slack;
    }

    /// <summary>Whether the column and all loads beside it stand wholly on the base.</summary>
    public static bool AllOnBase(Foundation foundation, in ColumnOutline column, in BaseSize size)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        if (!ColumnOnBase(foundation.Held, column, size))
        {
            return false;
        }

        var offset = Offset(foundation.Held, column, size);
        foreach (var load in foundation.Loads)
        {
            if (!load.LiesOn(offset, size))
            {
                return false;
            }
        }

        return true;
    }

    /// <summary>The base's centre in project axes, m.</summary>
    public static PlanPoint Centre(Place place, in PlanPoint offset)
    {
        ArgumentNullException.ThrowIfNull(place);
        var (sin, cos) = Loads.SupportAction.SinCosDegrees(place.AngleDegrees);
        var origin = place.Origin;
        return new PlanPoint(origin.X - (offset.X * cos) + (offset.Y * sin), origin.Y - (offset.X * sin) - (offset.Y * cos));
    }

    private static double Offset(HeldEdge? low, HeldEdge? high, double face, double side, double stated) =>
        low is { } a ? a.From(face) - (side / 2)
        : high is { } b ? (side / 2) - b.From(face)
        : stated;
}
