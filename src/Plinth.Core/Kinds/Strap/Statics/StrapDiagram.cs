using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.Strap;

/// <summary>What a picture of the forces in a strap footing shows: the same sections as the checks of its beam.</summary>
internal static class StrapDiagram
{
    private const int Steps = 16;

    /// <summary>The forces in a combination; null where there is no equilibrium.</summary>
    public static SpanDiagram? Of(StrapTrial t, int k)
    {
        var (body, beam) = (t.Body, t.Beam);
        if (body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return null;
        }

        var none = default(NoTrace);
        var columns = new List<(double Low, double High, string Name)>();
        var stops = new List<double> { body.LowX, body.HighX };
        foreach (var c in body.Columns)
        {
            columns.Add((c.Face(true, -1), c.Face(true, 1), c.Support.Label));
            stops.AddRange([c.Face(true, -1), c.Face(true, 1)]);
        }

        var ends = new List<(double At, string Words)>();
        foreach (var p in body.Parts)
        {
            ends.AddRange([(p.Middle + p.LowX, $"end of the {p.At} base"), (p.Middle + p.HighX, $"end of the {p.At} base")]);
        }

        stops.AddRange(ends.Select(e => e.At));

        // Where the shear is nil this near the end of a base the moment is the same to the eye.
        const double Beside = 0.02;
        var sections = new List<SpanSection>();
        foreach (ref readonly var at in beam.Sections(k))
        {
            var x = at.X;
            var face = columns.Find(c => Math.Abs(c.Low - x) < 1e-9 || Math.Abs(c.High - x) < 1e-9);
            var end = ends.Find(e => Math.Abs(e.At - x) < 1e-9).Words;
            if (face.Name is null && end is null && ends.Exists(e => Math.Abs(e.At - x) < Beside))
            {
                continue;
            }

            var words = face.Name is { } name ? $"face {(Math.Abs(face.Low - x) < 1e-9 ? "left" : "right")} of {name}" : end ?? "V = 0";
            sections.Add(new SpanSection(face.Name is not null || end is not null ? SpanMark.Face : SpanMark.Peak, x, at.Shear, at.Moment,
                beam.Strength(at.Moment >= 0, ref none).Strength, words));
            stops.Add(x);
        }

        foreach (var (s, atFace) in beam.Shears(k))
        {
            var at = s.X;
            var near = columns.MinBy(c => Math.Min(Math.Abs(c.Low - at), Math.Abs(c.High - at)));
            var words = ends.Find(e => Math.Abs(e.At - at) < 1e-9).Words
                ?? $"{(atFace ? "face" : "d")} {(at <= near.Low + 1e-9 ? "left" : "right")} of {near.Name}";
            sections.Add(new SpanSection(SpanMark.Shear, at, s.Shear, s.Moment,
                t.Code.BeamShear(ref none, t.Rules.Concrete, beam.InShear(s.Moment >= 0)), words));
        }

        stops.Sort();
        var points = new List<SpanPoint>();
        for (var i = 1; i < stops.Count; i++)
        {
            if (stops[i] - stops[i - 1] < 1e-9)
            {
                continue;
            }

            // On both sides of a stop the pressure differs: a base ends there.
            var (from, to) = (stops[i - 1] + 1e-9, stops[i] - 1e-9);
            for (var j = 0; j <= Steps; j++)
            {
                var at = beam.Section(k, from + ((to - from) * j / Steps));
                var (pressure, breadth) = Under(body, k, at.X);
                points.Add(new SpanPoint(at.X, at.Shear, at.Moment, pressure, breadth));
            }
        }

        var across = new List<BandSection>();
        foreach (var span in t.Spans(false))
        {
            var (moment, shear) = (0.0, 0.0);
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                moment = Math.Max(moment, span.AtFace(k, side).MomentUp);
                shear = span.Beyond(k, side, span.Depth(true)) is { Overhang: > 0 } f ? Math.Max(shear, f.ShearUp) : shear;
            }

            across.Add(new BandSection($"{span.At} base", span.Body.Middle + span.Body.LowX, span.Body.Middle + span.Body.HighX, moment,
                Flexure<AxisY, BottomFace>.Capacity(span).Bars.Strength, shear, OneWayShear<AxisY>.Capacity(span).Bottom));
        }

        return new SpanDiagram(body.Contact(k).State, points, columns, [.. sections.OrderBy(x => x.At)], across, Forces(t, k));
    }

    private static (double Pressure, double Breadth) Under(GroundBody body, int k, double x)
    {
        foreach (var p in body.Parts)
        {
            if (Math.Abs(x - p.Middle) < p.HighX)
            {
                return (LongForces.Pressure(p, true, k, x - p.Middle), p.Width);
            }
        }

        return default;
    }

    private static List<BodyForce> Forces(StrapTrial t, int k)
    {
        var (body, forces, prisms, turning) = (t.Body, new List<BodyForce>(), 0.0, 0.0);
        foreach (var c in body.Columns)
        {
            forces.Add(new BodyForce(BodyForceKind.Column, c.Support.Label, c.Action(k).N, c.X, c.My(k)));
            (prisms, turning) = (prisms + c.PrismWeight(k), turning + (c.PrismWeight(k) * c.X));
        }

        forces.Add(Resultant(BodyForceKind.Upright, body.HasPedestals ? "pedestals, less soil displaced" : "soil that the columns displace",
            prisms, turning));
        foreach (var p in body.Parts)
        {
            forces.Add(new BodyForce(BodyForceKind.Weights, $"{p.At} base, soil, surcharge", p.PressedPerArea(k) * p.Area, p.Middle, 0));
            forces.Add(new BodyForce(BodyForceKind.Water, $"water under the {p.At} base",
                -p.GroundLoad(k).WaterPressure * p.Area, p.Middle, 0));
        }

        var (beam, moment) = (0.0, 0.0);
        foreach (var l in body.Lines)
        {
            var own = body.LinePressed(l, k) * l.Length;
            (beam, moment) = (beam + own, moment + (own * l.Middle));
        }

        forces.Add(Resultant(BodyForceKind.Weights, "beam and what is on it", beam, moment));
        foreach (var p in body.Parts)
        {
            var l = p.Loads(k);
            forces.Add(Resultant(BodyForceKind.Ground, $"ground under the {p.At} base", -l.N, -((l.N * p.Middle) + l.My)));
        }

        return [.. forces.Where(f => f.Force != 0 || f.Turns != 0)];
    }

    private static BodyForce Resultant(BodyForceKind kind, string words, double force, double moment) =>
        new(kind, words, force, force == 0 ? 0 : moment / force, 0);
}
