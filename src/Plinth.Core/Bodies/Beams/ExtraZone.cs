using Plinth.Core.Concrete;
using Plinth.Core.Numerics;
using Plinth.Core.Tracing;

namespace Plinth.Core.Bodies;

/// <summary>Extra bars beside those that run through: at the bottom over a column, on top in a bay between two.</summary>
internal sealed class ExtraZone : Subject
{
    private const double Close = 1e-9;

    private readonly IBarsAlong along;
    private readonly Standing first;
    private readonly Standing last;

    /// <summary>Makes a zone of a trial; bars must be laid before it is read.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="index">Which it is of all.</param>
    /// <param name="at">What results call it: "C2", "C2+C3".</param>
    /// <param name="along">What it is a part of.</param>
    /// <param name="first">The column, or the first of a bay.</param>
    /// <param name="last">The same, or the last of a bay.</param>
    public ExtraZone(Trial trial, int index, string at, IBarsAlong along, Standing first, Standing last)
        : base(trial, index, at)
    {
        (this.along, this.first, this.last) = (along, first, last);
        Bottom = first == last;
    }

    /// <summary>What it is a part of.</summary>
    public IBarsAlong Along => along;

    /// <summary>At the bottom over a column, or on top in a bay.</summary>
    public bool Bottom { get; }

    /// <summary>What schedules call it: "over C2", "in C2+C3".</summary>
    public string Where => (Bottom ? "over " : "in ") + At;

    /// <summary>Its bars.</summary>
    public BarLayer Layer { get; private set; }

    /// <summary>Where they begin, m.</summary>
    public double From { get; private set; }

    /// <summary>Where they end, m.</summary>
    public double To { get; private set; }

    /// <summary>Their straight development, m.</summary>
    public double Developed { get; private set; }

    /// <summary>Lays its bars; those that run through are laid before.</summary>
    public void Lay(in ExtraBars bars)
    {
        Layer = bars.Any ? new BarLayer(bars.Bars.Count, bars.Bars.Size) : BarLayer.None;
        var none = default(NoTrace);
        (From, To) = Bottom ? (first.X - bars.Low, first.X + bars.High) : (first.X + bars.Low, last.X - bars.High);
        (From, To) = (Math.Max(From, along.Low), Math.Min(To, along.High));
        Developed = Layer.Any ? along.Straight(Bottom, ref none) : 0;
    }

    /// <summary>Takes its bars away.</summary>
    public void Clear() => Layer = BarLayer.None;

    /// <summary>The centre of its column; of a bay that of the one on a side, m.</summary>
    public double Centre(int side) => side < 0 ? first.X : last.X;

    /// <summary>Where its bars end on a side, m.</summary>
    public double End(int side) => side < 0 ? From : To;

    /// <summary>Whether its bars run to the end of the base on a side, where they end as those that run through.</summary>
    public bool RunsOut(int side) => side < 0 ? From <= along.Low + Close : To >= along.High - Close;

    /// <summary>The share of its bars that is developed in a section on both sides.</summary>
    public double Share(double x)
    {
        if (!Layer.Any || x <= From || x >= To)
        {
            return 0;
        }

        var there = Math.Min(RunsOut(-1) ? double.PositiveInfinity : x - From, RunsOut(1) ? double.PositiveInfinity : To - x);
        return Math.Min(1, there / Developed);
    }

    /// <summary>From where its reach is measured on a side: the face of the column; in a bay where the moment is greatest, m.</summary>
    /// <param name="k">The combination.</param>
    /// <param name="side">Which side.</param>
    public double Origin(int k, int side)
    {
        if (Bottom)
        {
            return first.Face(true, side);
        }

        var (at, most) = ((first.X + last.X) / 2, double.NegativeInfinity);
        foreach (ref readonly var section in along.Sections(k))
        {
            if (IsWithin(section.X) && along.Stretch(false, k, section) is var own && own > most)
            {
                (at, most) = (section.X, own);
            }
        }

        return at;
    }

    /// <summary>
    /// Where on a side the bars that run through begin to hold the moment alone, m; null where they do so everywhere. No farther than the
    /// next column's face, or the end of the base.
    /// </summary>
    /// <param name="k">The combination.</param>
    /// <param name="side">Which side.</param>
    /// <param name="held">What the bars that run through hold, kNm.</param>
    public (double From, double Cut)? Needed(int k, int side, double held)
    {
        var limit = Limit(side);
        var start = double.NaN;
        foreach (ref readonly var section in along.Sections(k))
        {
            if (IsOf(section.X, side, limit) && along.Stretch(Bottom, k, section) > held
                && (double.IsNaN(start) || side * (section.X - start) > 0))
            {
                start = section.X;
            }
        }

        return double.IsNaN(start) ? null : (start, Crossing(k, side, start, limit, held));
    }

    /// <summary>The greatest moment that stretches its face within it in a combination, kNm.</summary>
    public double Greatest(int k)
    {
        var (low, high, most) = (Limit(-1), Limit(1), 0.0);
        foreach (ref readonly var section in along.Sections(k))
        {
            if (IsOf(section.X, -1, low) || IsOf(section.X, 1, high))
            {
                most = Math.Max(most, along.Stretch(Bottom, k, section));
            }
        }

        return most;
    }

    /// <summary>The greatest shear within it, where its face is stretched, whose strength goes by the bars, in a combination, kN.</summary>
    public double GreatestShear(int k)
    {
        var (low, high, most) = (Limit(-1), Limit(1), 0.0);
        foreach (ref readonly var at in along.ShearsByBars(k))
        {
            if (at.Section.Moment >= 0 == Bottom && (IsOf(at.Section.X, -1, low) || IsOf(at.Section.X, 1, high)))
            {
                most = Math.Max(most, Math.Abs(at.Section.Shear));
            }
        }

        return most;
    }

    /// <summary>
    /// Where on a side shear is looked at first whose strength goes by the bars, where its face is stretched, m; null: nowhere there.
    /// </summary>
    public double? Sheared(int k, int side)
    {
        double? first = null;
        foreach (ref readonly var at in along.ShearsByBars(k))
        {
            if (at.Section.Moment >= 0 == Bottom && IsOf(at.Section.X, side, Limit(side))
                && (first is not { } x || side * (x - at.Section.X) > 0))
            {
                first = at.Section.X;
            }
        }

        return first;
    }

    /// <summary>
    /// Where on a side its bars end at the nearest in a combination, m: beyond where those that run through hold the moment alone, and so
    /// far from each section that what is needed of them there is developed. Null where they are not needed.
    /// </summary>
    /// <param name="k">The combination.</param>
    /// <param name="side">Which side.</param>
    /// <param name="through">What the bars that run through hold, kNm and kN.</param>
    /// <param name="all">What these hold with the extra ones.</param>
    /// <param name="beyond">How far extra ones run on, m.</param>
    /// <param name="target">The utilisation that is aimed at.</param>
    public double? Nearest(int k, int side, (double Moment, double Shear) through, (double Moment, double Shear) all, double beyond,
        double target)
    {
        double? end = Needed(k, side, through.Moment) is var (_, cut) ? cut + (side * beyond) : null;
        var (low, high) = (Limit(-1), Limit(1));
        foreach (ref readonly var section in along.Sections(k))
        {
            if (IsOf(section.X, -1, low) || IsOf(section.X, 1, high))
            {
                Develop(section.X, along.Stretch(Bottom, k, section), through.Moment, all.Moment);
            }
        }

        foreach (ref readonly var at in along.ShearsByBars(k))
        {
            if (at.Section.Moment >= 0 == Bottom && (IsOf(at.Section.X, -1, low) || IsOf(at.Section.X, 1, high)))
            {
                Develop(at.Section.X, Math.Abs(at.Section.Shear), through.Shear, all.Shear);
            }
        }

        return end;

        // Strengths rise with the steel ever more slowly: a share by the straight line between both is enough.
        void Develop(double x, double demand, double without, double with)
        {
            if ((demand / target) - without is > 0 and var lacks)
            {
                var own = x + (side * Math.Min(1, lacks / (with - without)) * Developed);
                end = end is { } far && side * (far - own) > 0 ? far : own;
            }
        }
    }

    // The next column's face, or the end of the base; in a bay the faces of its own columns.
    private double Limit(int side)
    {
        if (!Bottom)
        {
            return side < 0 ? first.Face(true, 1) : last.Face(true, -1);
        }

        var limit = side < 0 ? along.Low : along.High;
        foreach (var c in Trial.Columns)
        {
            if (side * (c.X - first.X) > Close && side * (c.Face(true, -side) - limit) < 0)
            {
                limit = c.Face(true, -side);
            }
        }

        return limit;
    }

    private bool IsWithin(double x) => x >= first.Face(true, 1) - Close && x <= last.Face(true, -1) + Close;

    // A section is its own over half of the clear span; of an overhang all is.
    private bool IsOf(double x, int side, double limit)
    {
        if (!Bottom)
        {
            return IsWithin(x);
        }

        var face = first.Face(true, side);
        var far = Math.Abs(limit - (side < 0 ? along.Low : along.High)) < Close ? limit : (face + limit) / 2;
        return side * (x - face) >= -Close && side * (x - far) <= Close;
    }

    private double Crossing(int k, int side, double start, double limit, double held)
    {
        var moment = new Excess(this, k, held);
        var (last, over) = (start, moment.At(start));
        var turns = along.Body.Bed!.Turns;
        for (var i = side > 0 ? 0 : turns.Count - 1; i >= 0 && i < turns.Count; i += side)
        {
            var x = turns[i];
            if (side * (x - last) <= Close)
            {
                continue;
            }

            if (side * (x - limit) > 0)
            {
                break;
            }

            var own = moment.At(x);
            if (own <= 0)
            {
                return side > 0 ? Root.Between(ref moment, last, over, x, own) : Root.Between(ref moment, x, own, last, over);
            }

            (last, over) = (x, own);
        }

        var end = moment.At(limit);
        return end > 0 ? limit
            : side > 0 ? Root.Between(ref moment, last, over, limit, end) : Root.Between(ref moment, limit, end, last, over);
    }

    private readonly struct Excess(ExtraZone zone, int k, double held) : IFunction
    {
        public double At(double x) => zone.along.Stretch(zone.Bottom, k, zone.along.Section(k, x)) - held;
    }
}
