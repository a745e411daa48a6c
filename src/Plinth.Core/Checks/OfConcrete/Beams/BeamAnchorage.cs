using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Development of the bars of a beam on both sides of every section: by a hook at the end, or by as much of the straight length as
/// the stress there needs.
/// </summary>
internal readonly struct BeamAnchorage : ICheckRule<Subject, BeamBars>
{
    public static ReadOnlySpan<Subject> Of(Trial trial) => trial.Bending;

    public static BeamBars Capacity(Subject s)
    {
        var none = default(NoTrace);
        return s is BeamSpan beam
            ? new BeamBars((beam.Strength(true, ref none).Strength, beam.Strength(false, ref none).Strength),
                (Lengths(beam, true, ref none), Lengths(beam, false, ref none)))
            : default;
    }

    public static Outcome Evaluate<T>(Subject s, in BeamBars bars, int k, ref T trace)
        where T : struct, ITrace =>
        s is BeamSpan beam ? Of(beam, bars, k, ref trace)
            : Anchorage<AxisX>.Evaluate((SlabSpan)s, Anchorage<AxisX>.Capacity((SlabSpan)s), k, ref trace);

    private static Outcome Of<T>(BeamSpan s, in BeamBars bars, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (worst, at) = (Outcome.NotDone, default(LongSection));
        var residue = 1e-9 * Math.Abs(s.Body.Loads(k).N) * (s.High - s.Low);
        foreach (ref readonly var section in s.Sections(k))
        {
            var bottom = section.Moment > 0;
            if (Math.Abs(section.Moment) > residue && s.Layer(bottom).Any && s.LooksAt(bottom ? Face.Bottom : Face.Top)
                && Section(s, section, bottom ? bars.Strengths.Bottom : bars.Strengths.Top,
                    bottom ? bars.Lengths.Bottom : bars.Lengths.Top, ref none) is var o
                && (!worst.Done || o.Utilisation > worst.Utilisation))
            {
                (worst, at) = (o, section);
            }
        }

        var hook = Hook(s);
        if (hook > Math.Max(1, worst.Utilisation))
        {
            trace.Note($"the hooks are higher than the {s.Noun}: thinner bars or a deeper {s.Noun}");
            return Outcome.Ratio(hook, 1);
        }

        if (!worst.Done)
        {
            return worst;
        }

        if (T.Records)
        {
            var bottom = at.Moment > 0;
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Anchorage of the {(bottom ? "bottom" : "top")} bars of the {s.Noun}");
            BeamTrace.Section(s, at, ref trace);
            BeamTrace.Bars(s, bottom, ref trace);
            var strength = s.Strength(bottom, ref trace).Strength;
            Section(s, at, strength, Lengths(s, bottom, ref trace), ref trace);
        }

        if (T.Notes)
        {
            trace.Along(at.X);
            trace.Note($"{(at.Moment > 0 ? "bottom" : "top")} bars, {BeamTrace.Where(s, at.X)}"
                + (worst.Plain ? "; plain concrete holds the moment there (14.5)" : ""));
        }

        return worst;
    }

    // A hook is not shortened by excess steel; a straight length is, where the code lets it be: bars are stressed less at such a section.
    private static Outcome Section<T>(BeamSpan s, in LongSection at, double strength, (double Straight, double Hook) lengths, ref T trace)
        where T : struct, ITrace
    {
        var bottom = at.Moment > 0;
        var layer = s.Layer(bottom);

        var nearer = Math.Min(at.X - s.Low, s.High - at.X);
        var there = trace.Let("there", Math.Max(0, nearer - s.Rules.Concrete.CoverSide), Unit.Section,
            $"{new Sym("to the nearer end", nearer, Unit.Section)} − {new Sym("cover", s.Rules.Concrete.CoverSide, Unit.Section)}",
            $"{s.Code.Name} 25.4.1.1 (both sides of the section)");
        var share = strength > 0 ? Math.Min(1, Math.Abs(at.Moment) / strength) : 1;
        var reduces = s.Code.ExcessReduces(false, s.Trial.Category);
        var straight = lengths.Straight;
        if (reduces)
        {
            trace.Given("share", share, Unit.Ratio, "|M|/φMn: steel required here over steel there", $"{s.Code.Name} 25.4.10.1");
            straight = trace.Let("ld,here", share * lengths.Straight, Unit.Section,
                $"{new Sym("share", share, Unit.Ratio)}·{new Sym("ld", lengths.Straight, Unit.Section)}");
        }

        var needed = layer.Hooked ? Math.Min(straight, lengths.Hook) : straight;
        var outcome = Outcome.Ratio(needed, there) with { Face = bottom ? Face.Bottom : Face.Top };

        // Beyond the columns a short end is a cantilever whose concrete alone may hold its moment, so that no stress of the bars is called
        // on. Whichever is used less counts.
        if (s.IsBeyond(at.X) && s.Code.PlainThickness(s.Height) is > 0 and var thickness)
        {
            var none = default(NoTrace);
            var plain = Math.Abs(at.Moment) / s.Code.PlainFlexure(ref none, s.Rules.Concrete, s.Width, thickness);
            if (plain < outcome.Utilisation)
            {
                var held = s.Code.PlainFlexure(ref trace, s.Rules.Concrete, s.Width, thickness);
                trace.Let("utilisation", plain, Unit.Ratio,
                    $"|{new Sym("M", at.Moment, Unit.Moment)}|/{new Sym("φMn", held, Unit.Moment)}");
                return outcome with { Utilisation = plain, Plain = true };
            }
        }

        if (T.Records)
        {
            trace.Given("needed", needed, Unit.Section, layer.Hooked && lengths.Hook <= straight ? "ldh, by the hook at the end"
                : reduces ? "of the straight length" : "ld");
            if (there > 0)
            {
                trace.Let("utilisation", needed / there, Unit.Ratio,
                    $"{new Sym("needed", needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
            }
        }

        return outcome;
    }

    /// <summary>What the bars of a face need straight and by their hooks, m.</summary>
    public static (double Straight, double Hook) Lengths<T>(BeamSpan s, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        if (s.Layer(bottom) is not { Size: { } size } layer)
        {
            return default;
        }

        var (db, depth, concrete) = (size.Diameter, s.Depth(bottom), s.Rules.Concrete);
        var spacing = Math.Min(s.Closest(bottom), s.Width);
        trace.Given("s", spacing, Unit.Section, s.HasExtra(bottom) ? "distance of the bars, extra ones between" : "distance of the bars");
        var bar = new DevelopedBar(size, s.Rules.Steel.Yield, spacing, Math.Min(s.Height - depth, s.SideCover + (db / 2)), s.SideCover,
            bottom ? 0 : depth - (db / 2));
        return (s.Code.StraightDevelopment(ref trace, concrete, bar), layer.Hooked
            ? s.Code.HookedDevelopment(ref trace, concrete, bar) : 0);
    }

    // Hooks stand within the stirrups.
    private static double Hook(BeamSpan s)
    {
        var height = s.Height - s.Cover(true) - s.Cover(false);
        var most = 0.0;
        foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
        {
            if (s.Layer(bottom) is { Hooked: true } layer && s.LooksAt(bottom ? Face.Bottom : Face.Top))
            {
                most = Math.Max(most, height > 0 ? s.Code.HookHeight(layer.Diameter) / height : Outcome.NoCapacity);
            }
        }

        return most;
    }
}

/// <summary>
/// What anchorage knows of a beam's bars below and on top: moments that they hold, kNm, and their lengths of development straight and by a
/// hook, m.
/// </summary>
internal readonly record struct BeamBars((double Bottom, double Top) Strengths,
    ((double Straight, double Hook) Bottom, (double Straight, double Hook) Top) Lengths);
