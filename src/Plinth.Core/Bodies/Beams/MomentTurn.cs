using Plinth.Core.Numerics;

namespace Plinth.Core.Bodies;

/// <summary>
/// Where beyond a section in shear the moment changes its sign, so that the bars of the other face are the stretched ones.
/// </summary>
internal static class MomentTurn
{
    private const double Close = 1e-9;

    /// <summary>
    /// Where it does before the next section at which flexure is looked at, m; NaN: nowhere there. Between two of these the shear does not
    /// change its sign, so that the moment rises or falls all the way.
    /// </summary>
    /// <param name="sections">Sections at which flexure is looked at.</param>
    /// <param name="from">The section in shear.</param>
    /// <param name="side">Towards which side.</param>
    /// <param name="moment">The moment along.</param>
    public static double Beyond<TMoment>(ReadOnlySpan<LongSection> sections, in LongSection from, int side, ref TMoment moment)
        where TMoment : struct, IFunction =>
        Next(sections, from, side) is not { } end || end.Moment * from.Moment >= 0 ? double.NaN
            : side > 0 ? Root.Between(ref moment, from.X, from.Moment, end.X, end.Moment)
            : Root.Between(ref moment, end.X, end.Moment, from.X, from.Moment);

    /// <summary>Whether it does, on either side of a section that is no column's.</summary>
    public static bool IsBeyond(ReadOnlySpan<LongSection> sections, in BeamShearAt from)
    {
        var turns = false;
        for (var side = -1; side <= 1; side += 2)
        {
            turns |= from.Side != -side && Next(sections, from.Section, side) is { } end && end.Moment * from.Section.Moment < 0;
        }

        return turns;
    }

    private static LongSection? Next(ReadOnlySpan<LongSection> sections, in LongSection from, int side)
    {
        LongSection? next = null;
        foreach (ref readonly var at in sections)
        {
            if (side * (at.X - from.X) > Close && (next is not { } nearer || side * (nearer.X - at.X) > 0))
            {
                next = at;
            }
        }

        return next;
    }
}
