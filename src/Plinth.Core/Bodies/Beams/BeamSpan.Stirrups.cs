namespace Plinth.Core.Bodies;

/// <content>Stretches over which its stirrups stand closer.</content>
internal abstract partial class BeamSpan
{
    /// <summary>Stretches over which they stand closer, none over another.</summary>
    public IReadOnlyList<StirrupStretch> Closer { get; private set; } = [];

    /// <summary>Sets stretches over which its stirrups stand closer; its bars are set before.</summary>
    internal void StandCloser(IReadOnlyList<StirrupStretch> stretches) => Closer = stretches;

    /// <summary>How far apart its stirrups stand in a section, m; at the end of a closer stretch as beyond it.</summary>
    public double StirrupSpacing(double x)
    {
        foreach (var z in Closer)
        {
            if (x > z.From + Edge && x < z.To - Edge)
            {
                return z.Spacing;
            }
        }

        return Stirrups.Spacing;
    }

    // A section this near the end of a stretch lies at it, m.
    private const double Edge = 1e-9;

    /// <summary>
    /// Sections at which closer stirrups end in a combination, and beyond which none is looked at on that side of the column that shares
    /// in their strength. Left out are those within d of its face, where the shear at d counts, and those beyond where the shear passes
    /// through nil, from where on it grows towards the next column and is looked at on its side.
    /// </summary>
    /// <param name="k">The combination.</param>
    public IReadOnlyList<BeamShearAt> Ends(int k)
    {
        if (Closer.Count == 0)
        {
            return [];
        }

        var list = new List<BeamShearAt>(2 * Closer.Count);
        foreach (var z in Closer)
        {
            var column = Body.Columns[z.Column];
            for (var side = -1; side <= 1; side += 2)
            {
                var end = side < 0 ? z.From : z.To;
                if (end > Low + Edge && end < High - Edge && !IsOverColumn(end) && !IsNearer(k, column, end, side)
                    && Section(k, end) is var at && at.Shear * Section(k, column.Face(true, side)).Shear >= 0)
                {
                    list.Add(new(at, false) { Side = side });
                }
            }
        }

        return list;
    }

    private bool IsOverColumn(double x)
    {
        foreach (var c in Body.Columns)
        {
            if (x > c.Face(true, -1) && x < c.Face(true, 1))
            {
                return true;
            }
        }

        return false;
    }

    // Whether shear is looked at on that side of a column beyond where they end: the first section there is.
    private bool IsNearer(int k, Standing column, double end, int side)
    {
        var first = double.PositiveInfinity;
        foreach (ref readonly var at in Shears(k))
        {
            var away = side * (at.Section.X - column.X);
            first = at.Side == side && away > 0 ? Math.Min(first, away) : first;
        }

        return side * (end - column.X) <= Math.Max(side * (column.Face(true, side) - column.X), double.IsInfinity(first) ? 0 : first);
    }
}
