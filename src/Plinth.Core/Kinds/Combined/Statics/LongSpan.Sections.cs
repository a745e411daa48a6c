using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Numerics;

namespace Plinth.Core.Kinds.Combined;

/// <content>Sections that tell: at faces, at d, where the shear passes through nil.</content>
internal sealed partial class LongSpan
{
    /// <summary>
    /// Sections at which flexure is looked at in a combination: the faces of all columns within the base, and between them where the shear
    /// passes through nil; found once
    /// for each combination and size.
    /// </summary>
    public ReadOnlySpan<LongSection> Sections(int k)
    {
        var into = sections.AsSpan(k * Most, Most);
        ref var kept = ref found[k];
        if (kept.Generation != Trial.Generation)
        {
            kept = (Trial.Generation, Find(k, into));
        }

        return into[..kept.Count];
    }

    /// <summary>Sections at which shear is looked at in a combination; found once for each combination, size and depth.</summary>
    public ReadOnlySpan<BeamShearAt> Shears(int k)
    {
        var into = shears.AsSpan(k * 2 * columns.Length, 2 * columns.Length);
        ref var kept = ref sheared[k];
        if (kept.Generation != Trial.Generation || kept.Depth != Depth(true))
        {
            var count = 0;
            foreach (var c in columns)
            {
                for (var side = -1; side <= 1; side += 2)
                {
                    if (LongShear.Place(this, k, c, side) is { } place)
                    {
                        turns[(k * 2 * columns.Length) + count].Sought = false;
                        into[count++] = new(Section(k, place.At), place.AtFace) { Side = side };
                    }
                }
            }

            kept = (Trial.Generation, Depth(true), count);
        }

        return into[..kept.Count];
    }

    /// <summary>
    /// Where beyond a section the moment changes its sign, so that the bars of the other face are the stretched ones: there the shear is
    /// the greatest that these meet. Null: nowhere before the shear passes through nil, or the next column. Found once, as
    /// <see cref="Shears"/>: every choice of bars asks for it.
    /// </summary>
    /// <param name="k">The combination.</param>
    /// <param name="index">Which of <see cref="Shears"/>.</param>
    public LongSection? Turn(int k, int index)
    {
        var from = Shears(k)[index];
        ref var kept = ref turns[(k * 2 * columns.Length) + index];
        if (!kept.Sought)
        {
            var moment = new MomentOf(Body, columns, AlongX, k);
            var x = MomentTurn.Beyond(Sections(k), from.Section, from.Side, ref moment);
            kept = (true, double.IsNaN(x) ? null : Section(k, x));
        }

        return kept.At;
    }

    private int Find(int k, Span<LongSection> into)
    {
        var count = 0;
        foreach (var c in columns)
        {
            for (var side = -1; side <= 1; side += 2)
            {
                var face = Face(c, side);
                if (face > Low + Close && face < High - Close)
                {
                    into[count++] = Section(k, face);
                }
            }
        }

        var turns = AlongX && Body.Bed is { } bed && Body.Contact(k).State != ContactState.NoEquilibrium ? bed.Turns : null;
        Span<double> breaks = stackalloc double[MostBreaks];
        breaks = breaks[..(turns is null ? Breaks(k, breaks) : 0)];

        // What is free of columns from one end to the other.
        var at = Low;
        while (true)
        {
            var next = High;
            foreach (var c in columns)
            {
                next = Face(c, 1) > at + Close ? Math.Min(next, Face(c, -1)) : next;
            }

            if (turns is not null)
            {
                OnSprings(k, at, next, turns, into, ref count);
            }
            else
            {
                Peaks(k, at, next, breaks, into, ref count);
            }

            at = Math.Max(at, next);
            if (at >= High - Close)
            {
                break;
            }

            foreach (var c in columns)
            {
                at = Face(c, -1) <= next + Close ? Math.Max(at, Face(c, 1)) : at;
            }
        }

        return count;
    }

    // On springs: between neighbours of these the shear changes its sign once at most.
    private void OnSprings(int k, double from, double to, IReadOnlyList<double> turns, Span<LongSection> into, ref int count)
    {
        if (to - from < 3 * Close)
        {
            return;
        }

        var (scale, last) = (Close * Math.Abs(Body.Loads(k).N), Section(k, Math.Max(from, turns[0])));
        for (var i = 0; i < turns.Count && count < into.Length - 2; i++)
        {
            if (turns[i] <= last.X)
            {
                continue;
            }

            var section = Section(k, Math.Min(turns[i], to));
            Between(last, section, into, ref count);
            if (turns[i] >= to)
            {
                break;
            }

            if (Math.Abs(section.Shear) <= scale)
            {
                into[count++] = section;
            }

            last = section;
        }

        void Between(in LongSection a, in LongSection b, Span<LongSection> into, ref int count)
        {
            if (Math.Abs(a.Shear) > scale && Math.Abs(b.Shear) > scale && a.Shear * b.Shear < 0)
            {
                var shear = new ShearOf(Body, columns, AlongX, k);
                into[count++] = Section(k, Root.Between(ref shear, a.X, a.Shear, b.X, b.Shear));
            }
        }
    }

    // Where the breadth of sections begins to change, and where a part of them begins to lift: between these the net pressure is a
    // polynomial of the second degree.
    private int Breaks(int k, Span<double> into)
    {
        // On springs the pressure along y is a plane's, cut off where it lifts.
        var (count, p) = (0, Body.Contact(k).Pressure);
        var outline = Body.Outline;
        for (var i = 0; i < outline.Length; i++)
        {
            var (a, b) = (outline[i], outline[(i + 1) % outline.Length]);
            var (from, to) = AlongX ? (a.X, b.X) : (a.Y, b.Y);
            var (low, high) = (p.Plane(a.X, a.Y), p.Plane(b.X, b.Y));
            into[count++] = from;
            if (low * high < 0)
            {
                into[count++] = from + ((to - from) * low / (low - high));
            }
        }

        return count;
    }

    // Between two points with no column between, cut at breaks and where loads beside the columns begin and end.
    private void Peaks(int k, double from, double to, ReadOnlySpan<double> breaks, Span<LongSection> into, ref int count)
    {
        while (to - from > Close)
        {
            var next = to;
            foreach (var x in breaks)
            {
                next = x > from + Close ? Math.Min(next, x) : next;
            }

            var stands = false;
            foreach (ref readonly var load in Body.PlacedLoads)
            {
                var (a, b) = AlongX ? (load.X0, load.X1) : (load.Y0, load.Y1);
                Cut(a, ref next, ref stands);
                Cut(b, ref next, ref stands);
            }

            Stretch(k, from, next, into, ref count);
            if (stands && next < to - Close)
            {
                into[count++] = Section(k, next);
            }

            from = next;
        }

        void Cut(double x, ref double next, ref bool stands)
        {
            if (x > from + Close && x <= next)
            {
                (next, stands) = (x, true);
            }
        }
    }

    // Where the shear passes through nil within a stretch: parted where the net pressure is nil, the shear rises or falls all the way.
    private void Stretch(int k, double from, double to, Span<LongSection> into, ref int count)
    {
        if (to - from < 3 * Close)
        {
            return;
        }

        // What stands on its ends is no part of it.
        (from, to) = (from + Close, to - Close);
        var beside = LongForces.LoadSlope(Body, AlongX, k, (from + to) / 2);
        var (start, middle, end) = (Slope(from), Slope((from + to) / 2), Slope(to));
        var (first, second) = Root.OfQuadratic((2 * start) - (4 * middle) + (2 * end), (-3 * start) + (4 * middle) - end, start);
        var (at, length) = (from, to - from);
        foreach (var t in (ReadOnlySpan<double>)[first, second])
        {
            if (t is > 0 and < 1)
            {
                Peak(k, at, from + (t * length), into, ref count);
                at = from + (t * length);
            }
        }

        Peak(k, at, to, into, ref count);

        double Slope(double x) => LongForces.Slope(Body, AlongX, k, x) - beside;
    }

    private void Peak(int k, double from, double to, Span<LongSection> into, ref int count)
    {
        if (to - from < Close)
        {
            return;
        }

        var (low, high) = (Section(k, from).Shear, Section(k, to).Shear);
        var scale = Close * Math.Abs(Body.Loads(k).N);
        if (Math.Abs(low) > scale && Math.Abs(high) > scale && low * high < 0)
        {
            var shear = new ShearOf(Body, columns, AlongX, k);
            into[count++] = Section(k, Root.Between(ref shear, from, low, to, high));
        }
    }

    private readonly struct MomentOf(GroundBody body, Standing[] columns, bool alongX, int k) : IFunction
    {
        public double At(double x) => LongForces.At(body, columns, alongX, k, x).Moment;
    }

    private readonly struct ShearOf(GroundBody body, Standing[] columns, bool alongX, int k) : IFunction
    {
        public double At(double x) => LongForces.At(body, columns, alongX, k, x).Shear;
    }
}
