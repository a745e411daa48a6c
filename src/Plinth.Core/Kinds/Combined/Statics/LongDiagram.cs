using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What a picture of the forces in a base under several columns shows: the same sections as its checks.</summary>
internal static class LongDiagram
{
    private const int Steps = 24;

    /// <summary>The forces in a combination; null where there is no equilibrium.</summary>
    public static SpanDiagram? Of(CombinedTrial t, int k)
    {
        var s = t.Long;
        var contact = t.Body.Contact(k).State;
        if (contact == ContactState.NoEquilibrium)
        {
            return null;
        }

        var columns = new List<(double Low, double High, string Name)>();
        var sections = new List<SpanSection>();
        var stops = new List<double> { s.Low, s.High };
        foreach (var c in s.Columns)
        {
            var (low, high) = (s.Face(c, -1), s.Face(c, 1));
            columns.Add((low, high, c.Support.Label));
            stops.AddRange([low, high]);
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                var words = $"{(side < 0 ? "left" : "right")} of {c.Support.Label}";
                if (s.Face(c, side) is var face && face > s.Low + 1e-9 && face < s.High - 1e-9)
                {
                    sections.Add(Bending(SpanMark.Face, s.Section(k, face), "face " + words));
                }

                if (LongShear.Place(s, k, c, side) is { } place)
                {
                    var at = s.Section(k, place.At);
                    sections.Add(new SpanSection(SpanMark.Shear, place.At, at.Shear, at.Moment, ShearStrength(at),
                        (place.AtFace ? "face " : "d ") + words));
                }
            }
        }

        foreach (ref readonly var at in s.Sections(k))
        {
            var x = at.X;
            if (!columns.Exists(c => Math.Abs(c.Low - x) < 1e-9 || Math.Abs(c.High - x) < 1e-9))
            {
                sections.Add(Bending(SpanMark.Peak, at,
                    Math.Abs(at.Shear) < 1e-3 * Math.Max(1, Math.Abs(t.Body.Loads(k).N)) ? "V = 0" : "at a load"));
                stops.Add(x);
            }
        }

        stops.Sort();
        var points = new List<SpanPoint>();
        for (var i = 1; i < stops.Count; i++)
        {
            for (var j = i == 1 ? 0 : 1; j <= Steps; j++)
            {
                var at = s.Section(k, stops[i - 1] + ((stops[i] - stops[i - 1]) * j / Steps));
                points.Add(new SpanPoint(at.X, at.Shear, at.Moment, LongForces.Pressure(t.Body, true, k, at.X), s.BreadthAt(at.X)));
            }
        }

        var bands = new List<BandSection>();
        foreach (var b in t.Bands)
        {
            var strip = (CrossSpan)t.TributarySpans[b.Index];
            var (moment, shear) = (0.0, 0.0);
            foreach (var side in (ReadOnlySpan<int>)[-1, 1])
            {
                moment = Math.Max(moment, b.AtFace(k, side).MomentUp);
                shear = strip.Beyond(k, side, strip.Depth(true)) is { Overhang: > 0 } f ? Math.Max(shear, f.ShearUp) : shear;
            }

            bands.Add(new BandSection(b.At ?? "", b.From, b.To, moment, Flexure<AxisY, BottomFace>.Capacity(b).Bars.Strength, shear,
                OneWayShear<AxisY>.Capacity(strip).Bottom));
        }

        return new SpanDiagram(contact, points, columns, [.. sections.OrderBy(x => x.At)], bands, BodyForces.Of(t.Body, k));

        SpanSection Bending(SpanMark mark, in LongSection at, string words)
        {
            var bottom = at.Moment >= 0;
            var none = default(NoTrace);
            var strength = s.Layer(bottom).Any
                ? s.Code.Flexure(ref none, s.Rules.Concrete, s.Rules.Steel.Yield, s.SteelAt(bottom, at.X), s.BreadthAt(at.X),
                    s.Depth(bottom)).Strength
                : 0;
            return new SpanSection(mark, at.X, at.Shear, at.Moment, strength, words);
        }

        double ShearStrength(in LongSection at)
        {
            var bottom = at.Moment >= 0;
            var none = default(NoTrace);
            return s.Layer(bottom).Any
                ? s.Code.OneWayShear(ref none, s.Rules.Concrete, s.BreadthAt(at.X), s.Depth(bottom), s.SteelAt(bottom, at.X))
                : 0;
        }
    }
}
