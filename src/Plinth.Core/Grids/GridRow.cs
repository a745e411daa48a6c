using System.Collections.Concurrent;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;

namespace Plinth.Core.Grids;

/// <summary>A row of a grid of strips that cross at shared columns, as the strip that it is knows it.</summary>
/// <param name="Grid">Mark of the grid.</param>
/// <param name="Number">Which row it is, from 0.</param>
/// <param name="Crossings">Where it crosses others, in order of its columns.</param>
/// <param name="Supports">All columns of the grid, each once, in order of the rows.</param>
public sealed record GridRow(string Grid, int Number, IReadOnlyList<GridCrossing> Crossings, IReadOnlyList<Support> Supports)
{
    /// <summary>Whether it runs across the first row: its bars lie inside those of the rows along that.</summary>
    public bool Across { get; init; }

    /// <summary>What it carries beside the other rows, for the designs of all; null: none are known, and it takes a first guess.</summary>
    public RowShares? Shares { get; init; }

    /// <summary>The crossing at one of its columns; null: the column is its own.</summary>
    /// <param name="column">Which of its columns.</param>
    public GridCrossing? At(int column) => Crossings.FirstOrDefault(c => c.Column == column);

    /// <summary>What it shares at a crossing; null: nothing is known yet.</summary>
    public CrossingShare? ShareOf(GridCrossing crossing)
    {
        for (var i = 0; i < Crossings.Count && Shares is not null; i++)
        {
            if (ReferenceEquals(Crossings[i], crossing))
            {
                return Shares.At[i];
            }
        }

        return null;
    }

    /// <summary>The mark of a row of a grid: "ST1-2".</summary>
    /// <param name="grid">The grid's mark.</param>
    /// <param name="number">Which row, from 0.</param>
    public static string MarkOf(string grid, int number) =>
        grid + "-" + (number + 1).ToString(System.Globalization.CultureInfo.InvariantCulture);
}

/// <summary>A column at which two rows of a grid cross.</summary>
/// <param name="Column">Which of this row's columns.</param>
/// <param name="Other">The other row, from 0.</param>
/// <param name="OtherColumn">Which of the other row's columns.</param>
/// <param name="Cotangent">Of the angle from this row's x to the other's: 0 where they cross at right angles.</param>
/// <param name="Ends">Whether it is this row's first or last column.</param>
/// <param name="OtherEnds">Whether it is the other row's first or last.</param>
/// <param name="IsFirst">Whether this row stands before the other.</param>
public sealed record GridCrossing(int Column, int Other, int OtherColumn, double Cotangent, bool Ends, bool OtherEnds, bool IsFirst)
{
    // What a beam on springs sinks under a load on its end against one in its middle (M. Hetényi, Beams on Elastic Foundation, 1946).
    private const double Softer = 4;

    /// <summary>
    /// Whether the column stands on this row as its joint and punching see it: on that of both which does not end there, else on the first.
    /// </summary>
    public bool Carries => Ends == OtherEnds ? IsFirst : !Ends;

    /// <summary>A first guess of what share of the column's force this row carries: by how stiff its end or its middle is.</summary>
    public double Guess => Ends == OtherEnds ? 0.5 : Ends ? 1 / (1 + Softer) : Softer / (1 + Softer);

    /// <summary>
    /// What of a column's action this row carries: of the force a share, of shears and moments all that push and bend it along; what is
    /// left is the other row's.
    /// </summary>
    /// <param name="whole">The column's action in this row's axes.</param>
    /// <param name="share">Share of the force.</param>
    public SupportAction Carried(in SupportAction whole, double share) => Carrying(whole, share * whole.N);

    /// <summary>The same with the force as it is.</summary>
    /// <param name="whole">The column's action in this row's axes.</param>
    /// <param name="force">The force that it carries, kN.</param>
    public SupportAction Carrying(in SupportAction whole, double force) => whole with
    {
        N = force,
        Fx = whole.Fx - (whole.Fy * Cotangent),
        Fy = 0,
        Mx = 0,
        My = whole.My + (whole.Mx * Cotangent),

        // No check carries it; once it is told of.
        Mz = Carries ? whole.Mz : 0,
    };
}

/// <summary>What two rows share at a crossing, as one of them sees it.</summary>
/// <param name="Share">Of the column's force in each case, by the sustained combination: 0 to 1.</param>
/// <param name="Forces">Force that the row carries in each combination of its place, kN; empty: the share of it.</param>
/// <param name="Low">How far the crossing reaches from the column along the row towards −x, m.</param>
/// <param name="High">The same towards +x, m.</param>
/// <param name="Part">Which part of the row's breadth it covers, 0 to 1.</param>
/// <param name="Breadth">The row's breadth, m.</param>
public sealed record CrossingShare(double Share, IReadOnlyList<double> Forces, double Low, double High, double Part, double Breadth)
{
    /// <summary>Plan area that both rows cover, m2.</summary>
    public double Area => (Low + High) * Part * Breadth;

    /// <summary>What of its own springs and weight the row keeps over the crossing: the area that both cover counts once.</summary>
    public double Kept => 1 - (Part / 2);
}

/// <summary>What a row carries beside the others for the designs of all.</summary>
/// <param name="At">At each of its crossings.</param>
/// <param name="Apart">Combinations in which the rows hold each other in no place.</param>
/// <param name="Designs">The designs of all rows for which it holds; empty: it holds whatever the row's own becomes.</param>
/// <param name="Weights">Weight of base, rib and soil on a unit of the row's area in each state of the water, kPa.</param>
/// <param name="Depth">Of its underside below the ground, m.</param>
public sealed record RowShares(IReadOnlyList<CrossingShare> At, IReadOnlySet<int> Apart, IReadOnlyList<FoundationDesign> Designs,
    IReadOnlyList<double> Weights, double Depth)
{
    /// <summary>The rows where the actions of all columns are multiplied, by the factor; kept for all rows that share them.</summary>
    internal ConcurrentDictionary<double, Lazy<IReadOnlyList<Foundation>>> Scaled { get; init; } = [];

    /// <summary>The same where the row's own design is open.</summary>
    public RowShares ForAny => this with { Designs = [] };
}
