using Plinth.Core.Contact;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// A critical section at half the depth round a pile, or round two whose sections overlap: closed, or open to edges of the cap.
/// </summary>
/// <param name="Perimeter">bo, m.</param>
/// <param name="Area">Plan area within it, m2; of two piles no more than it has.</param>
/// <param name="Open">To how many edges it is open: the tip of a hexagon has three.</param>
internal readonly record struct PileSection(double Perimeter, double Area, int Open)
{
    private const double Slack = 1e-9;

    // Edges that turn by more between the first and the last are opposite.
    private const double MostTurn = 170 * Math.PI / 180;

    /// <summary>αs: 40, 30, 20.</summary>
    public double AlphaS => 40 - (10 * Math.Min(Open, 2));

    /// <summary>
    /// The shortest section that lies within the cap: of its perimeter r·(π − ω) round, ω the turn between the first and the last open
    /// edge, the straight sides of two
    /// piles, and straight runs to the open edges. Null where opposite edges would be open.
    /// </summary>
    /// <param name="outline">Corners of the cap, anticlockwise.</param>
    /// <param name="a">The pile, from the cap's centroid.</param>
    /// <param name="b">The other pile; the same for one.</param>
    /// <param name="r">Half of size and depth, m.</param>
    /// <param name="square">Whether the piles are square: r is then from the centre to the section's sides.</param>
    public static PileSection? Shortest(ReadOnlySpan<PlanPoint> outline, in PlanPoint a, in PlanPoint b, double r, bool square)
    {
        // What each edge is to both, once for all sections that are tried.
        Span<Edge> edges = stackalloc Edge[outline.Length];
        for (var i = 0; i < edges.Length; i++)
        {
            var n = Normal(outline, i);
            edges[i] = new Edge(n, Distance(outline[i], n, a), Distance(outline[i], n, b));
        }

        PileSection? best = null;
        for (var first = -1; first < edges.Length; first++)
        {
            for (var open = first < 0 ? 0 : 1; open <= (first < 0 ? 0 : edges.Length > 4 ? 3 : 2); open++)
            {
                if (Of(outline, edges, a, b, r, square, first, open) is { } s && (best is not { } k || s.Perimeter < k.Perimeter - Slack))
                {
                    best = s;
                }
            }
        }

        return best;
    }

    private static PileSection? Of(ReadOnlySpan<PlanPoint> outline, ReadOnlySpan<Edge> edges, in PlanPoint a, in PlanPoint b, double r,
        bool square, int first, int open)
    {
        // Every edge that is not open must leave room for the section.
        for (var i = 0; i < edges.Length; i++)
        {
            var isOpen = open > 0 && (i - first + edges.Length) % edges.Length < open;
            if (!isOpen && Math.Min(edges[i].ToA, edges[i].ToB) < r - Slack)
            {
                return null;
            }
        }

        var run = Math.Sqrt(((b.X - a.X) * (b.X - a.X)) + ((b.Y - a.Y) * (b.Y - a.Y)));

        // A square's corners are no arcs: 8 half sides in place of 2π.
        var round = square ? 8 / (2 * Math.PI) : 1;
        if (open == 0)
        {
            return new PileSection((2 * Math.PI * r * round) + (2 * run), (square ? 4 : Math.PI) * r * r + (2 * r * run), 0);
        }

        var last = (first + open - 1) % edges.Length;
        var (from, to) = (edges[first].Normal, edges[last].Normal);
        var turn = open > 1 ? Turn(from, to) : 0;
        if (open == 3 && (turn > MostTurn || (from.X * to.Y) - (from.Y * to.X) < 0))
        {
            return null;
        }

        // Straight runs to the open edges leave where the section turns along them.
        var (startAt, endAt) = (new PlanPoint(from.Y, -from.X), new PlanPoint(-to.Y, to.X));
        var (start, end) = (Run(edges[first], a, b, startAt), Run(edges[last], a, b, endAt));

        // Of the straight sides between two piles those that face away from the open edges.
        var sides = 0.0;
        if (run > Slack)
        {
            var (ux, uy) = ((b.X - a.X) / run, (b.Y - a.Y) / run);
            foreach (var n in (ReadOnlySpan<PlanPoint>)[new PlanPoint(-uy, ux), new PlanPoint(uy, -ux)])
            {
                sides += Remains(n, from, to) ? run : 0;
            }
        }

        var arc = r * (Math.PI - turn) * round;
        var area = run > Slack
            ? ((Math.PI * r * r / 2) + (r * run)) / open
            : (square ? 4 / Math.PI : 1) * r * r * (Math.PI - turn) / 2 + (r * (start + end))
                + (open == 2 ? Corner(start, end, turn) : open == 3 ? Tip(outline, edges, a, first) : 0);
        return new PileSection(arc + sides + start + end, area, open);
    }

    // Between a pile and the corner of two open edges.
    private static double Corner(double a, double b, double turn) =>
        (((a * a) + (b * b)) * Math.Cos(turn) / (2 * Math.Sin(turn))) + (a * b / Math.Sin(turn));

    // Between a pile and three open edges, from the foot of its distance from the first to that from the last.
    private static double Tip(ReadOnlySpan<PlanPoint> outline, ReadOnlySpan<Edge> edges, in PlanPoint pile, int first)
    {
        var last = (first + 2) % edges.Length;
        PlanPoint Foot(in Edge e, in PlanPoint p) => new(p.X + (e.ToA * e.Normal.X), p.Y + (e.ToA * e.Normal.Y));
        return ConvexPolygon.Moments([pile, Foot(edges[first], pile), outline[(first + 1) % outline.Length], outline[last],
            Foot(edges[last], pile)]).Area;
    }

    // Whether a side with a normal is left: it faces neither open edge, nor anything between them.
    private static bool Remains(in PlanPoint n, in PlanPoint from, in PlanPoint to) =>
        (n.X * from.X) + (n.Y * from.Y) <= Slack && (n.X * to.X) + (n.Y * to.Y) <= Slack;

    // From the pile farthest in a direction to an edge; of two that are as far the one nearer to it.
    private static double Run(in Edge edge, in PlanPoint a, in PlanPoint b, in PlanPoint towards)
    {
        var (da, db) = ((a.X * towards.X) + (a.Y * towards.Y), (b.X * towards.X) + (b.Y * towards.Y));
        var (ea, eb) = (edge.ToA, edge.ToB);
        return Math.Abs(da - db) <= Slack ? Math.Min(ea, eb) : da > db ? ea : eb;
    }

    /// <summary>How far a point lies beyond an edge of an outline, m; negative within.</summary>
    public static double Beyond(ReadOnlySpan<PlanPoint> outline, int edge, in PlanPoint p)
    {
        var n = Normal(outline, edge);
        return -Distance(outline[edge], n, p);
    }

    private static PlanPoint Normal(ReadOnlySpan<PlanPoint> outline, int i)
    {
        var (p, q) = (outline[i], outline[(i + 1) % outline.Length]);
        var length = Math.Sqrt(((q.X - p.X) * (q.X - p.X)) + ((q.Y - p.Y) * (q.Y - p.Y)));
        return new PlanPoint((q.Y - p.Y) / length, -(q.X - p.X) / length);
    }

    private static double Turn(in PlanPoint from, in PlanPoint to) => Math.Acos(Math.Clamp((from.X * to.X) + (from.Y * to.Y), -1, 1));

    private static double Distance(in PlanPoint corner, in PlanPoint normal, in PlanPoint p) =>
        (normal.X * (corner.X - p.X)) + (normal.Y * (corner.Y - p.Y));

    // An edge of the cap: its normal outwards, and how far both piles' centres stand from it.
    private readonly record struct Edge(PlanPoint Normal, double ToA, double ToB);
}
