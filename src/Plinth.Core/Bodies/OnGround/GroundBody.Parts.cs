using Plinth.Core.Contact;

namespace Plinth.Core.Bodies;

/// <content>A body of several bases that a beam along x holds together, and a base that is a part of such a body.</content>
public sealed partial class GroundBody
{
    private const int CornersOfPart = 4;

    private readonly GroundBody[] parts = [];
    private readonly PlanPoint[] corners = [];
    private BodyLine[] lines = [];

    /// <summary>Makes a base that is a part of a body: it has its own columns, weights and axes, and bears as the whole lets it.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="columns">What stands on it.</param>
    /// <param name="index">Which part it is.</param>
    /// <param name="name">What results call it.</param>
    internal GroundBody(Trial trial, Standing[] columns, int index, string name)
        : this(trial, columns, null, index, name)
    {
    }

    /// <summary>Makes the body of several rectangular bases whose middles lie on one line along x.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="columns">What stands on it, once more, about its centroid.</param>
    /// <param name="parts">Its bases, from −x.</param>
    internal GroundBody(Trial trial, Standing[] columns, GroundBody[] parts)
        : this(trial, columns, null, 0, null)
    {
        this.parts = parts;
        corners = new PlanPoint[CornersOfPart * parts.Length];
        foreach (var p in parts)
        {
            p.Whole = this;
        }
    }

    /// <summary>The bases of which it consists; empty: it is one.</summary>
    public ReadOnlySpan<GroundBody> Parts => parts;

    /// <summary>The body of which it is a part; null: it stands alone.</summary>
    public GroundBody? Whole { get; private set; }

    /// <summary>Of a part: where its middle lies along x from the whole's centroid, m.</summary>
    public double Middle { get; private set; }

    /// <summary>The beam on it, stretch by stretch.</summary>
    internal ReadOnlySpan<BodyLine> Lines => lines;

    /// <summary>Takes its bases, which are set, and the beam on them.</summary>
    /// <param name="middles">Where the middle of each lies from the place's origin along x, m.</param>
    /// <param name="beam">The beam; its stretches from the place's origin, m: they are moved to the centroid.</param>
    /// <param name="origin">Receives the place's origin from the centroid.</param>
    internal void Join(ReadOnlySpan<double> middles, BodyLine[] beam, out PlanPoint origin)
    {
        (Area, Thickness) = (0, double.PositiveInfinity);
        var first = 0.0;
        for (var i = 0; i < parts.Length; i++)
        {
            (Area, first, Thickness) = (Area + parts[i].Area, first + (parts[i].Area * middles[i]),
                Math.Min(Thickness, parts[i].Thickness));
        }

        var centroid = first / Area;
        origin = this.origin = new PlanPoint(-centroid, 0);
        (IsRectangle, IsPolygon, generation, lines) = (false, true, Trial.Generation, beam);
        (PedestalWeight, HasPedestals) = (0, false);
        for (var i = 0; i < parts.Length; i++)
        {
            var p = parts[i];
            p.Middle = middles[i] - centroid;
            ConvexPolygon.Rectangle(p.Middle + p.LowX, p.LowY, p.Middle + p.HighX, p.HighY, corners.AsSpan(CornersOfPart * i));
            (PedestalWeight, HasPedestals) = (PedestalWeight + p.PedestalWeight, HasPedestals || p.HasPedestals);
        }

        foreach (var l in lines)
        {
            (l.From, l.To) = (l.From - centroid, l.To - centroid);
        }

        Enclose();
        (Underside, SoilDepth) = (parts[0].Underside, parts[0].SoilDepth);
        Weigh();
    }

    // The hull of two rectangles on one line: the corners of the narrower that face the other lie within.
    private void Enclose()
    {
        var (a, b) = (parts[0], parts[^1]);
        var (x0, x1, x2, x3) = (a.Middle + a.LowX, a.Middle + a.HighX, b.Middle + b.LowX, b.Middle + b.HighX);
        var (y, z) = (a.Width / 2, b.Width / 2);
        outline = y == z ? Kept(4) : Kept(6);
        if (y == z)
        {
            ConvexPolygon.Rectangle(x0, -y, x3, y, outline);
        }
        else
        {
            var (turn, wide) = y > z ? (x1, y) : (x2, z);
            (outline[0], outline[1], outline[2]) = (new(x0, -y), new(turn, -wide), new(x3, -z));
            (outline[3], outline[4], outline[5]) = (new(x3, z), new(turn, wide), new(x0, y));
        }

        (LowX, HighX, HighY, LowY) = (x0, x3, Math.Max(y, z), -Math.Max(y, z));
        (Length, Width) = (HighX - LowX, HighY - LowY);
        (LowWidth, HighWidth, acrossX, acrossY) = (a.Width, b.Width, null, null);
    }

    private PlanPoint[] Kept(int count) => outline.Length == count ? outline : new PlanPoint[count];

    private void Weigh()
    {
        BaseWeight = 0;
        foreach (var p in parts)
        {
            BaseWeight += p.BaseWeight;
        }

        foreach (var l in lines)
        {
            BaseWeight += l.Concrete * l.Length;
        }

        for (var w = 0; w < groundLoads.Length; w++)
        {
            var (block, displaced) = (0.0, 0.0);
            foreach (var p in parts)
            {
                (block, displaced) = (block + p.groundLoads[w].Block, displaced + p.groundLoads[w].Displaced);
            }

            foreach (var l in lines)
            {
                block += l.Soil[w] * l.Length;
            }

            groundLoads[w] = new GroundLoad(0, block, displaced, parts[0].groundLoads[w].WaterPressure, 0);
        }
    }

    /// <summary>What presses on a metre of a stretch of the beam in a combination, less the water's push, kN/m.</summary>
    /// <param name="line">The stretch.</param>
    /// <param name="k">The combination.</param>
    /// <param name="withSurcharge">Whether the surcharge on it counts.</param>
    internal double LinePressed(BodyLine line, int k, bool withSurcharge = true)
    {
        var w = (int)Place.Waters[k];
        return (Combinations[k].WeightFactor * (line.Concrete + line.Soil[w])) - line.Push[w]
            + (withSurcharge ? Place.SurchargeFactors[k] * Ground.Surcharge * line.Breadth : 0);
    }

    /// <summary>Area on which a surcharge on the ground stands, m2: of several bases the beam between them too.</summary>
    public double SurchargedArea
    {
        get
        {
            var sum = Backing?.Soil is null ? Area : Length * Backing.Toe;
            foreach (var l in lines)
            {
                sum += l.Breadth * l.Length;
            }

            return sum;
        }
    }

    /// <summary>Its first moment ∫x about the centroid, m3.</summary>
    public double SurchargedMoment
    {
        get
        {
            var sum = 0.0;
            foreach (var l in lines)
            {
                sum += l.Breadth * l.Length * l.Middle;
            }

            return sum;
        }
    }

    private double LinesPush(int k)
    {
        var (w, sum) = ((int)Place.Waters[k], 0.0);
        foreach (var l in lines)
        {
            sum += l.Push[w] * l.Length;
        }

        return sum;
    }

    /// <summary>
    /// Moment ∫x of the factored weights of bases, soil and beam less the water's push about the centroid, kNm: bases of unlike thickness
    /// weigh otherwise than their areas lie. What stands at the columns is not in it.
    /// </summary>
    public double WeightsMoment(int k)
    {
        var sum = 0.0;
        foreach (var p in parts)
        {
            ref readonly var g = ref p.GroundLoad(k);
            sum += p.Middle * ((Combinations[k].WeightFactor * (p.BaseWeight + g.Block)) - (g.WaterPressure * p.Area));
        }

        foreach (var l in lines)
        {
            sum += l.Middle * l.Length * LinePressed(l, k, false);
        }

        return sum;
    }

    // What of the whole's pressure stands under this base: the resultant of it, which a base alone would have to bring.
    private (BaseLoads Loads, ContactSolution Contact) PartOf(in BaseLoads all, in ContactSolution solution)
    {
        if (solution.State == ContactState.NoEquilibrium)
        {
            return (default, ContactSolution.None);
        }

        var p = solution.Pressure with { AnchorX = solution.Pressure.AnchorX - Middle };
        var (low, pushed) = (p.A - (Math.Abs(p.B) * Length / 2) - (Math.Abs(p.C) * Width / 2), p.OverRectangle(LowX, LowY, HighX, HighY));
        var share = 1.0;
        if (low < 0)
        {
            Span<PlanPoint> part = stackalloc PlanPoint[ConvexPolygon.MostCorners];
            var count = ConvexPolygon.Clip(outline, p.A, p.B, p.C, part);
            share = Math.Clamp(ConvexPolygon.Moments(part[..count]).Area / Area, 0, 1);
        }

        // It hangs on its own corner that is pressed most, as the pressure of a base alone does.
        var (x, y) = (Math.CopySign(Length / 2, p.B), Math.CopySign(Width / 2, p.C));
        var own = new PressureField(p.Plane(x, y), p.B, p.C, x, y);
        var of = all.N > 0 ? pushed.Force / all.N : 0;
        return (new BaseLoads(pushed.Force, of * all.Fx, of * all.Fy, -pushed.MomentY, pushed.MomentX),
            new ContactSolution(share >= 1 ? ContactState.Full : ContactState.Partial, own, share));
    }

    /// <summary>How many edges it may tip about.</summary>
    public int Edges => parts.Length > 0 ? outline.Length : CornersOfPart;

    /// <summary>One of the edges about which it may tip.</summary>
    /// <param name="i">Which: of a rectangle or trapezoid −x, +x, −y, +y.</param>
    public BodyEdge EdgeOf(int i)
    {
        if (parts.Length == 0)
        {
            var (alongX, side) = (i < 2, i % 2 == 0 ? -1 : 1);
            var (nx, ny, distance) = Edge(alongX, side);
            return new BodyEdge(nx, ny, distance, alongX, side);
        }

        var (p, q) = (outline[i], outline[(i + 1) % outline.Length]);
        var size = Math.Sqrt(((q.X - p.X) * (q.X - p.X)) + ((q.Y - p.Y) * (q.Y - p.Y)));
        var (x, y) = ((q.Y - p.Y) / size, (p.X - q.X) / size);
        var along = Math.Abs(x) >= Math.Abs(y);
        return new BodyEdge(x, y, (x * p.X) + (y * p.Y), along, (along ? x : y) > 0 ? 1 : -1);
    }

    // Of several bases what lies behind another is no front of its own.
    private double FrontOfParts(double x, double y)
    {
        var (sum, reached) = (0.0, double.NegativeInfinity);
        Span<(double From, double To)> fronts = stackalloc (double, double)[parts.Length];
        for (var i = 0; i < parts.Length; i++)
        {
            var (low, high) = (double.PositiveInfinity, double.NegativeInfinity);
            foreach (var c in corners.AsSpan(CornersOfPart * i, CornersOfPart))
            {
                var at = (c.Y * x) - (c.X * y);
                (low, high) = (Math.Min(low, at), Math.Max(high, at));
            }

            fronts[i] = (low, high);
        }

        fronts.Sort();
        foreach (var (from, to) in fronts)
        {
            sum += Math.Max(0, to - Math.Max(from, reached));
            reached = Math.Max(reached, to);
        }

        return sum;
    }
}
