using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.Strip;

/// <summary>What a picture of the forces in a strip with a rib shows: the same sections as the checks of its rib.</summary>
internal static class RibDiagram
{
    private const int Steps = 24;

    /// <summary>The forces in a combination; null where there is no equilibrium.</summary>
    public static SpanDiagram? Of(RibTrial t, int k)
    {
        var (body, rib, none) = (t.Body, t.Rib, default(NoTrace));
        if (body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return null;
        }

        var columns = new List<(double Low, double High, string Name)>();
        var stops = new List<double> { body.LowX, body.HighX };
        foreach (var c in body.Columns)
        {
            columns.Add((c.Face(true, -1), c.Face(true, 1), c.Support.Label));
            stops.AddRange([c.Face(true, -1), c.Face(true, 1)]);
        }

        var sections = new List<SpanSection>();
        foreach (ref readonly var at in rib.Sections(k))
        {
            var x = at.X;
            var face = columns.Find(c => Math.Abs(c.Low - x) < 1e-9 || Math.Abs(c.High - x) < 1e-9);
            sections.Add(new SpanSection(face.Name is null ? SpanMark.Peak : SpanMark.Face, x, at.Shear, at.Moment,
                rib.Strength(at.Moment >= 0, ref none).Strength,
                face.Name is { } name ? $"face {(Math.Abs(face.Low - x) < 1e-9 ? "left" : "right")} of {name}" : "V = 0"));
            stops.Add(x);
        }

        foreach (var (s, atFace) in rib.Shears(k))
        {
            var at = s.X;
            var near = columns.MinBy(c => Math.Min(Math.Abs(c.Low - at), Math.Abs(c.High - at)));
            sections.Add(new SpanSection(SpanMark.Shear, at, s.Shear, s.Moment,
                t.Code.BeamShear(ref none, t.Rules.Concrete, rib.InShear(s.Moment >= 0)),
                $"{(atFace ? "face" : "d")} {(at <= near.Low + 1e-9 ? "left" : "right")} of {near.Name}"));
        }

        stops.Sort();
        var points = new List<SpanPoint>();
        for (var i = 1; i < stops.Count; i++)
        {
            for (var j = i == 1 ? 0 : 1; j <= Steps; j++)
            {
                var at = rib.Section(k, stops[i - 1] + ((stops[i] - stops[i - 1]) * j / Steps));
                points.Add(new SpanPoint(at.X, at.Shear, at.Moment, LongForces.Pressure(body, true, k, at.X), body.Width));
            }
        }

        var flange = t.Spans(false)[0];
        var (moment, shear) = (0.0, 0.0);
        foreach (var side in (ReadOnlySpan<int>)[-1, 1])
        {
            moment = Math.Max(moment, flange.AtFace(k, side).MomentUp);
            shear = flange.Beyond(k, side, flange.Depth(true)) is { Overhang: > 0 } f ? Math.Max(shear, f.ShearUp) : shear;
        }

        return new SpanDiagram(body.Contact(k).State, points, columns, [.. sections.OrderBy(x => x.At)],
            [new BandSection("flange, all along", body.LowX, body.HighX, moment, Flexure<AxisY, BottomFace>.Capacity(flange).Bars.Strength,
                shear, OneWayShear<AxisY>.Capacity(flange).Bottom)],
            BodyForces.Of(body, k));
    }
}
