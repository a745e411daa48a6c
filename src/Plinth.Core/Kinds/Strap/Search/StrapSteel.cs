using System.Collections.Immutable;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strap;

/// <summary>
/// Finds the bars of a base of a strap footing of given sizes, layer by layer: of those that weigh at most 5 % more than the lightest that
/// pass the one with the fewest. It only asks the checks.
/// </summary>
internal sealed class StrapSteel
{
    private const double FewerWithin = 0.05;
    private const int MostRounds = 60;

    private readonly ImmutableArray<StrapTrial> trials;
    private readonly Foundation foundation;
    private readonly RuleSet rules;
    private readonly Check[] ofBase;
    private readonly Check[] ofDepth;
    private readonly Dictionary<(bool AlongX, Face Face), Check[]> deciding = [];

    public StrapSteel(ImmutableArray<StrapTrial> trials, Foundation foundation)
    {
        (this.trials, this.foundation, rules) = (trials, foundation, foundation.Rules);
        var all = trials[0].Checks.Listed.Concat(trials[0].Checks.Parts).Where(c => !foundation.Waives(c.Id)).ToList();
        ofBase = [.. all.Where(c => c.Decides.IsOfSection && c.Decides is not { What: Decisions.Bars or Decisions.Ends, AlongX: true })];
        ofDepth = [.. ofBase.Where(c => c.Decides.What == Decisions.Depth)];
        foreach (var alongX in (ReadOnlySpan<bool>)[true, false])
        {
            foreach (var face in (ReadOnlySpan<Face>)[Face.Bottom, Face.Top])
            {
                deciding[(alongX, face)] = [.. all.Where(c => c.Decides.IsOfBars(alongX, face))];
            }
        }
    }

    /// <summary>The check that failed last, and where.</summary>
    public (Check Check, Trial State)? LastFailure { get; private set; }

    // The parts of a base that a check looks at.
    private static bool Is(int part, Subject s) => s switch
    {
        StrapBeam => false,
        PunchedArea area => area.Index == part,
        PadSpan span => span.Index == part,
        _ => false,
    };

    /// <summary>Finds the bars of a base for the sizes that the trials hold; null where none that are allowed pass.</summary>
    /// <param name="part">0: the edge base; 1: the inner one.</param>
    /// <param name="own">The base with its sizes.</param>
    public StrapBase? Find(int part, StrapBase own)
    {
        LastFailure = null;
        foreach (var alongX in (ReadOnlySpan<bool>)[true, false])
        {
            foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
            {
                Put(part, alongX, bottom, BarLayer.None);
            }
        }

        // Thin bars first, by which it shows soonest whether the base is too thin.
        var thin = rules.Steel.Bars.MinBy(b => b.Diameter)!;
        Put(part, true, true, new BarLayer(2, thin));
        Put(part, false, true, new BarLayer(2, thin));
        if (Fails(part, ofDepth, Face.Bottom) || !Layer(part, own, false, Face.Bottom) || !Layer(part, own, true, Face.Bottom))
        {
            return null;
        }

        // Bars along may be thicker than was taken, and lift those across.
        if (Fails(part, deciding[(false, Face.Bottom)], Face.Bottom) && !Layer(part, own, false, Face.Bottom))
        {
            return null;
        }

        var wanted = rules.Steel.TopSteel;
        if (StatesTop(part) || wanted == TopSteel.Least
            || (wanted != TopSteel.None && (Fails(part, deciding[(false, Face.Top)], Face.Top) || Fails(part, ofBase, Face.Top))))
        {
            if (!Layer(part, own, false, Face.Top) || !Layer(part, own, true, Face.Top))
            {
                return null;
            }
        }

        var found = own with
        {
            BottomX = Spec(part, true, true),
            BottomY = Spec(part, false, true),
            TopX = Spec(part, true, false),
            TopY = Spec(part, false, false),
        };
        return Serves(part, found) ? found : null;
    }

    /// <summary>Whether a base with its bars passes for the sizes that the trials hold, which take the bars.</summary>
    public bool Serves(int part, StrapBase barred)
    {
        foreach (var t in trials)
        {
            foreach (var alongX in (ReadOnlySpan<bool>)[true, false])
            {
                foreach (var bottom in (ReadOnlySpan<bool>)[true, false])
                {
                    t.Set(part, alongX, bottom, barred.Layer(alongX, bottom).Resolve(alongX ? barred.Width : barred.Length,
                        rules.Concrete.CoverSide));
                }
            }
        }

        return !Fails(part, ofBase, Face.None) && !Fails(part, deciding[(true, Face.Bottom)], Face.None);
    }

    private bool StatesTop(int part) => Held(part, true, false) is not null || Held(part, false, false) is not null;

    private BarSpec? Held(int part, bool alongX, bool bottom) =>
        StrapFields.Bars(foundation.Held, StrapFields.Parts[part], (bottom ? "bottom-" : "top-") + (alongX ? "x" : "y"));

    private BarSpec Spec(int part, bool alongX, bool bottom) =>
        Held(part, alongX, bottom) ?? BarSpec.Of(trials[0].Span(part, alongX).Layer(bottom));

    private void Put(int part, bool alongX, bool bottom, in BarLayer layer)
    {
        foreach (var t in trials)
        {
            t.Set(part, alongX, bottom, layer);
        }
    }

    private bool Layer(int part, StrapBase own, bool alongX, Face face)
    {
        var (bottom, checks) = (face == Face.Bottom, deciding[(alongX, face)]);
        var (breadth, length) = alongX ? (own.Width, own.Length) : (own.Length, own.Width);
        var zone = new SoughtZone(trials[0], Held(part, alongX, bottom), () => trials[0].Span(part, alongX).Layer(bottom),
            l => Put(part, alongX, bottom, l))
        {
            Breadth = () => breadth,
            Narrow = breadth,
            Length = length - (2 * rules.Concrete.CoverSide),
        };
        var allowed = !bottom && rules.Steel.TopBars.Count > 0 ? rules.Steel.TopBars : rules.Steel.Bars;
        IReadOnlyList<BarSize> preferred = [.. allowed.Where(rules.Steel.Preferred.Contains)];
        return (preferred.Count > 0 && Among(preferred)) || Among(allowed);

        bool Among(IReadOnlyList<BarSize> sizes)
        {
            var (least, found) = (double.PositiveInfinity, new List<(BarLayer Layer, double Mass)>());
            foreach (var size in sizes)
            {
                if (Least(zone, part, size, checks, face, least * (1 + FewerWithin)))
                {
                    found.Add((zone.Layer, zone.Mass));
                    least = Math.Min(least, zone.Mass);
                }

                if (zone.Held is not null)
                {
                    break;
                }
            }

            if (found.Count == 0)
            {
                return false;
            }

            var chosen = found.Where(f => f.Mass <= least * (1 + FewerWithin)).MinBy(f => (f.Layer.Count, f.Mass));
            zone.Take(chosen.Layer);
            return true;
        }
    }

    private bool Least(SoughtZone zone, int part, BarSize size, Check[] checks, Face face, double heaviest)
    {
        if (!zone.Start(size))
        {
            return false;
        }

        for (var round = 0; round < MostRounds && zone.Mass <= heaviest; round++)
        {
            if (First(part, checks, face) is not { } lacking)
            {
                return true;
            }

            var told = !lacking.Outcome.FailsAnyhow && lacking.Check.Decides.What == Decisions.Bars;
            if (zone.Held is not null
                || !zone.Answer(lacking.Check, lacking.Subject, told ? lacking.Outcome.Utilisation / rules.Sizing.Target : 1))
            {
                return false;
            }
        }

        return false;
    }

    private bool Fails(int part, Check[] checks, Face face) => First(part, checks, face) is not null;

    // The first check that a base fails, with what it found.
    private (Check Check, Subject Subject, Outcome Outcome)? First(int part, Check[] checks, Face face)
    {
        (Check, Subject, Outcome)? first = null;
        foreach (var t in trials)
        {
            t.Looking = face;
            foreach (var check in checks)
            {
                foreach (var s in Subjects(t, part))
                {
                    if (first is null && check.Takes(s) && Is(part, s) && check.OverAt(s, rules.Sizing.Target) is { } over)
                    {
                        (first, LastFailure) = ((check, s, over), (check, t));
                    }
                }
            }

            t.Looking = Face.None;
        }

        return first;
    }

    private static Subject[] Subjects(StrapTrial t, int part) => [t.Span(part, false), t.Span(part, true), t.Punched[part]];
}
