using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// Shear along a foundation against concrete and stirrups of its beam alone: at d from the columns' faces where the ground pushes
/// towards them, else at the face, and at the bases' ends.
/// </summary>
internal readonly struct BeamShear : ICheckRule<Subject, BeamShearStrengths>
{
    public static ReadOnlySpan<Subject> Of(Trial trial) => trial.Beams;

    public static BeamShearStrengths Capacity(Subject s)
    {
        var none = default(NoTrace);
        var beam = (BeamSpan)s;
        return new((Strength(beam, true, beam.Stirrups.Spacing, ref none), Strength(beam, false, beam.Stirrups.Spacing, ref none)));
    }

    public static double UpperBound(Subject s, in BeamShearStrengths strengths, int k) =>
        ((BeamSpan)s).Body.Contact(k).State == ContactState.NoEquilibrium ? double.PositiveInfinity
            : Outcome.Ratio(((BeamSpan)s).MostShear(k), Math.Min(strengths.Of.Bottom, strengths.Of.Top)).Utilisation;

    public static Outcome Evaluate<T>(Subject subject, in BeamShearStrengths strengths, int k, ref T trace)
        where T : struct, ITrace
    {
        var s = (BeamSpan)subject;
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        if (!T.Records && !T.Notes && s.Closer.Count == 0)
        {
            var (bottom, top) = s.GreatestShear(k);
            var below = Outcome.Ratio(Math.Max(0, bottom), strengths.Of.Bottom);
            var above = Outcome.Ratio(Math.Max(0, top), strengths.Of.Top);
            var most = top >= 0 && above.Utilisation > below.Utilisation ? above : below;
            return strengths.Weaker is null || Turned(s, strengths, k, most) is not { } beyond ? most : beyond.Outcome;
        }

        var (worst, governing, where) = (Outcome.Ratio(0, strengths.Of.Bottom), default(LongSection), AtD);
        var stretched = true;
        var all = strengths;
        void Take(in LongSection at, bool bottom, string place)
        {
            if (Outcome.Ratio(Math.Abs(at.Shear), Held(s, all, bottom, at.X)) is var o && o.Utilisation > worst.Utilisation)
            {
                (worst, governing, stretched, where) = (o, at, bottom, place);
            }
        }

        foreach (var at in s.Shears(k))
        {
            Take(at.Section, at.Section.Moment >= 0, at.AtFace ? "at the face" : AtD);
        }

        foreach (var at in s.Ends(k))
        {
            Take(at.Section, at.Section.Moment >= 0, "where closer stirrups end");
        }

        if (s.Closer.Count > 0)
        {
            foreach (var at in (IEnumerable<BeamShearAt>)[.. s.Shears(k), .. s.Ends(k)])
            {
                if (s.Turn(k, at) is { } turn)
                {
                    Take(turn, at.Section.Moment < 0, AtTurn);
                }
            }
        }
        else if (strengths.Weaker is { } weaker && Turned(s, strengths, k, worst) is { } turned)
        {
            (worst, governing, stretched, where) = (turned.Outcome, turned.At, weaker, AtTurn);
        }

        if (T.Records)
        {
            var bottom = stretched;
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Shear of the {s.Noun}, {where}");
            BeamTrace.Sheared(s, governing, ref trace);
            if (worst.Capacity > 0)
            {
                BeamTrace.Bars(s, bottom, ref trace);
                trace.Let("Av", s.InShear(bottom).Stirrups, Unit.SteelArea,
                    $"2·{new Sym("Ab,stirrup", s.Stirrups.Size?.Area ?? 0, Unit.SteelArea)}");
                Strength(s, bottom, s.StirrupSpacing(governing.X), ref trace);
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"|{new Sym("V", governing.Shear, Unit.Force)}|/{new Sym("φVn", worst.Capacity, Unit.Force)}");
            }
        }

        if (T.Notes && worst.Demand > 0)
        {
            trace.Along(governing.X);
            trace.Note(BeamTrace.Where(s, governing.X) + (where == AtD ? "" : ", " + where));
        }

        return worst;
    }

    private const string AtD = "at d from a face, or where a base ends";
    private const string AtTurn = "where the moment changes its sign";

    // With the stirrups of the section, where these do not stand alike all along.
    private static double Held(BeamSpan s, in BeamShearStrengths strengths, bool bottom, double x)
    {
        var none = default(NoTrace);
        return s.Closer.Count > 0 ? Strength(s, bottom, s.StirrupSpacing(x), ref none) : bottom ? strengths.Of.Bottom : strengths.Of.Top;
    }

    // Where the moment changes its sign beyond a section the bars of the other face count, which may hold less of a shear that has fallen
    // less: what is used more there than all that was looked at.
    private static (Outcome Outcome, LongSection At)? Turned(BeamSpan s, in BeamShearStrengths strengths, int k, in Outcome most)
    {
        (Outcome Outcome, LongSection At)? worst = null;
        var (weaker, used) = (strengths.Weaker!.Value, most.Utilisation);
        var held = weaker ? strengths.Of.Bottom : strengths.Of.Top;
        foreach (ref readonly var at in s.Shears(k))
        {
            if (at.Section.Moment >= 0 != weaker && Outcome.Ratio(Math.Abs(at.Section.Shear), held).Utilisation > used
                && s.Turn(k, at) is { } turn && Outcome.Ratio(Math.Abs(turn.Shear), held) is var o && o.Utilisation > used)
            {
                (worst, used) = ((o, turn), o.Utilisation);
            }
        }

        return worst;
    }

    private static double Strength<T>(BeamSpan s, bool bottom, double spacing, ref T trace)
        where T : struct, ITrace => s.Code.BeamShear(ref trace, s.Rules.Concrete, s.InShear(bottom, spacing));
}

/// <summary>The strengths in shear where the bottom and where the top is stretched, kN.</summary>
internal readonly record struct BeamShearStrengths((double Bottom, double Top) Of)
{
    /// <summary>The face whose bars hold less, bottom or top; null: both as much, or one has none.</summary>
    public bool? Weaker => Of.Bottom <= 0 || Of.Top <= 0 || Math.Abs(Of.Bottom - Of.Top) <= 1e-9 * Of.Top ? null : Of.Bottom < Of.Top;
}

/// <summary>Least stirrups of a beam where they are needed, and their greatest spacing along and across it.</summary>
internal readonly struct BeamStirrups : ICheckRule<Subject, MostOfStirrups>
{
    public static ReadOnlySpan<Subject> Of(Trial trial) => trial.Beams;

    // Limits tighten with the shear: under the greatest of all they are used most.
    public static MostOfStirrups Capacity(Subject s)
    {
        var beam = (BeamSpan)s;
        var most = 0.0;
        foreach (var k in s.Trial.CombinationsFor(Loads.Family.Concrete))
        {
            most = Math.Max(most, beam.Body.Contact(k).State == ContactState.NoEquilibrium ? 0 : beam.MostShear(k));
        }

        return new(Under(beam, most));
    }

    public static double UpperBound(Subject s, in MostOfStirrups most, int k) => most.Utilisation;

    private static double Under(BeamSpan s, double shear)
    {
        var none = default(NoTrace);
        var apart = s.Stirrups.Spacing;
        return Math.Max(One(s, shear, true, apart, ref none).Utilisation, One(s, shear, false, apart, ref none).Utilisation);
    }

    public static Outcome Evaluate<T>(Subject subject, in MostOfStirrups capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var s = (BeamSpan)subject;
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        if (!T.Records && !T.Notes && s.Closer.Count == 0)
        {
            var (bottom, top) = s.GreatestShear(k, true);
            var below = bottom >= 0 ? One(s, bottom, true, s.Stirrups.Spacing, ref none) : Outcome.NotDone;
            var above = top >= 0 ? One(s, top, false, s.Stirrups.Spacing, ref none) : Outcome.NotDone;
            return above.Done && (!below.Done || above.Utilisation > below.Utilisation) ? above : below;
        }

        var (worst, governing, stretched) = (Outcome.NotDone, default(LongSection), true);
        foreach (ref readonly var at in s.Shears(k))
        {
            Look(at);
        }

        foreach (var at in s.Ends(k))
        {
            Look(at);
        }

        if (T.Records && worst.Done)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Stirrups of the {s.Noun}");
            BeamTrace.Sheared(s, governing, ref trace);
            if (stretched != governing.Moment >= 0)
            {
                trace.Remark($"Beyond it the moment changes its sign: the {(stretched ? "bottom" : "top")} is stretched there.");
            }

            if (s.Layer(stretched).Any)
            {
                BeamTrace.Bars(s, stretched, ref trace);
                trace.Let("Av", s.InShear(true).Stirrups, Unit.SteelArea,
                    $"2·{new Sym("Ab,stirrup", s.Stirrups.Size?.Area ?? 0, Unit.SteelArea)}");
            }
        }

        if (worst.Done && (T.Records || T.Notes))
        {
            worst = One(s, Math.Abs(governing.Shear), stretched, s.StirrupSpacing(governing.X), ref trace);
        }

        return worst;

        void Look(in BeamShearAt at)
        {
            var (below, none, apart) = (at.Section.Moment >= 0, default(NoTrace), s.StirrupSpacing(at.Section.X));
            Take(One(s, Math.Abs(at.Section.Shear), below, apart, ref none), at.Section, below);
            if (MomentTurn.IsBeyond(s.Sections(k), at))
            {
                Take(One(s, Math.Abs(at.Section.Shear), !below, apart, ref none), at.Section, !below);
            }
        }

        void Take(in Outcome own, in LongSection at, bool below)
        {
            if (!worst.Done || own.Utilisation > worst.Utilisation)
            {
                (worst, governing, stretched) = (own, at, below);
            }
        }
    }

    private static Outcome One<T>(BeamSpan s, double shear, bool bottom, double apart, ref T trace)
        where T : struct, ITrace
    {
        var beam = s.InShear(bottom, apart);
        if (beam.Stirrups <= 0 || beam.Spacing <= 0 || beam.Steel <= 0)
        {
            trace.Note(beam.Steel <= 0 ? "the stretched side has no bars" : "there are no stirrups");
            return Outcome.Ratio(1, 0);
        }

        var limits = s.Code.Stirrups(ref trace, s.Rules.Concrete, beam, shear);
        var legs = trace.Let("legs", s.Width - (2 * s.Rules.Concrete.CoverSide) - s.Stirrups.Size!.Diameter, Unit.Section,
            $"{new Sym("bw", s.Width, Unit.Section)} − 2·{new Sym("cover", s.Rules.Concrete.CoverSide, Unit.Section)} − "
                + $"{new Sym("dt", s.Stirrups.Size.Diameter, Unit.Section)}");
        var (along, across, area) = (Outcome.Ratio(beam.Spacing, limits.Spacing),
            double.IsInfinity(limits.Across) ? Outcome.NotDone : Outcome.Ratio(legs, limits.Across),
            limits.Area > 0 ? Outcome.Ratio(limits.Area, beam.Stirrups) : Outcome.NotDone);
        var worst = along;
        worst = across.Done && across.Utilisation > worst.Utilisation ? across : worst;
        worst = area.Done && area.Utilisation > worst.Utilisation ? area : worst;
        if (T.Records)
        {
            trace.Let("u,along", along.Utilisation, Unit.Ratio,
                $"{new Sym("s", beam.Spacing, Unit.Section)}/{new Sym("s,most", limits.Spacing, Unit.Section)}");
            if (across.Done)
            {
                trace.Let("u,across", across.Utilisation, Unit.Ratio,
                    $"{new Sym("legs", legs, Unit.Section)}/{new Sym("across,most", limits.Across, Unit.Section)}");
            }

            if (area.Done)
            {
                trace.Let("u,area", area.Utilisation, Unit.Ratio,
                    $"{new Sym("Av,min", limits.Area, Unit.SteelArea)}/{new Sym("Av", beam.Stirrups, Unit.SteelArea)}");
            }

            trace.Given("utilisation", worst.Utilisation, Unit.Ratio, "the highest of these");
        }

        if (T.Notes)
        {
            trace.Note(across.Done && across.Utilisation >= worst.Utilisation
                ? "distance of the legs across the beam; a narrower beam, or a deeper one: more than two legs are not offered"
                : area.Done && area.Utilisation >= worst.Utilisation ? "least area of stirrups"
                : "spacing along the beam");
        }

        // A ratio of lengths, whatever of them governs.
        return Outcome.Ratio(worst.Utilisation, 1);
    }
}

/// <summary>How far the limits of a beam's stirrups are used at most, under the greatest shear of all combinations.</summary>
internal readonly record struct MostOfStirrups(double Utilisation);
