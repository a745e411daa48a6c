using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Contact;
using Plinth.Core.Loads;
using Plinth.Core.Piles;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>What the checks of piles share.</summary>
internal static class PileLoading
{
    /// <summary>
    /// Whether a pile is checked in a combination: by allowable capacities in those of the ground (and of stability), by resistances in
    /// those of the concrete.
    /// </summary>
    public static bool Counts(Pile p, int k, Family allowable)
    {
        var c = p.Combinations[k];
        return (p.Rules.Piles.OfStrength ? c.IsFor(Family.Concrete) : c.IsFor(allowable))
            && p.Trial.Body.Contact(k).State != ContactState.NoEquilibrium;
    }

    /// <summary>Tells what holds the cap in a combination, and begins what is told of a pile.</summary>
    public static void Head<T>(Pile p, int k, string title, ref T trace)
        where T : struct, ITrace
    {
        BaseLoadCase.Contact(p.Trial.Body, k, true, ref trace);
        trace.Heading($"{title} {p.Name}");
    }

    /// <summary>Tells by how much a pile may carry more or less as it may stand out of place.</summary>
    public static void Spread<T>(double off, ref T trace)
        where T : struct, ITrace
    {
        if (off > 0)
        {
            trace.Given("ΔR", off, Unit.Force, "|ΣN|·δ·√(b'² + c'²), by its response to moments of one each way");
        }
    }

    /// <summary>What wind and earthquake add to a capacity: nothing to a resistance.</summary>
    public static double Transient<T>(Pile p, int k, ref T trace)
        where T : struct, ITrace
    {
        var factor = !p.Rules.Piles.OfStrength && p.Combinations[k].Transient ? p.Rules.Piles.Transient : 1;
        return factor == 1 ? 1 : trace.Given("ft", factor, Unit.Ratio, "[piles] transient, with wind or earthquake");
    }

    /// <summary>Tells where a capacity comes from.</summary>
    public static string Source<T>(Pile p, string key)
        where T : struct, ITrace =>
        !T.Records ? "" : $"[piles] {key}" + (p.Rules.Piles.Source.Length > 0 ? ": " + p.Rules.Piles.Source : "");

    /// <summary>What a group keeps of the compression of a pile.</summary>
    public static double Efficiency<T>(Pile p, ref T trace)
        where T : struct, ITrace
    {
        var (rules, cap) = (p.Rules.Piles, (CapTrial)p.Trial);
        if (rules.Efficiency is { } stated)
        {
            return stated == 1 ? 1 : trace.Given("η", stated, Unit.Ratio, "[piles] group");
        }

        var (m, n) = (Math.Max(1, cap.Layout.Rows), cap.Layout.MostInRow);
        var pitch = cap.Group.LeastPitch;
        var eta = m * n <= 1 ? 1 : PileEfficiency.ConverseLabarre(rules.Side, pitch, m, n);
        if (T.Records)
        {
            trace.Given("rows", m, Unit.Ratio, "rows of the layout");
            trace.Given("in row", n, Unit.Ratio, "the most in a row");
            trace.Given("s", pitch, Unit.Section, "least distance of centres");
            trace.Given("η", eta, Unit.Ratio, "Converse and Labarre: 1 − atan(D/s)/90°·((n − 1)·m + (m − 1)·n)/(m·n)");
        }

        return eta;
    }
}

/// <summary>The greatest load of a pile, out of place in the direction that is worst for it, against what it may carry.</summary>
internal readonly struct PileCompression : ICheckRule<Pile, Nothing>
{
    public static ReadOnlySpan<Pile> Of(Trial trial) => trial.Piles;

    public static Nothing Capacity(Pile s) => default;

    public static Outcome Evaluate<T>(Pile p, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!PileLoading.Counts(p, k, Family.Ground))
        {
            return Outcome.NotDone;
        }

        var (cap, rules) = ((CapTrial)p.Trial, p.Rules.Piles);
        if (T.Records)
        {
            PileLoading.Head(p, k, "Compression of", ref trace);
        }

        var (force, off) = (cap.Group.Force(k, p.Index), cap.Group.Spread(k, p.Index));
        PileLoading.Spread(off, ref trace);
        var demand = trace.Let("R,most", force + off, Unit.Force,
            $"{new Sym($"R[{p.Number}]", force, Unit.Force)} + {new Sym("ΔR", off, Unit.Force)}");
        var stated = rules.Compression is { } given
            ? trace.Given("Rc", given, Unit.Force, PileLoading.Source<T>(p, "compression"))
            : PileGroundTrace.Compression(cap, ref trace);
        var (eta, transient) = (PileLoading.Efficiency(p, ref trace), PileLoading.Transient(p, k, ref trace));
        var held = trace.Let("Rc,group", stated * eta * transient, Unit.Force,
            $"{new Sym("Rc", stated, Unit.Force)}·{new Sym("η", eta, Unit.Ratio)}·{new Sym("ft", transient, Unit.Ratio)}");
        var outcome = Outcome.Ratio(demand, held);
        if (held > 0)
        {
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"max(0; {new Sym("R,most", demand, Unit.Force)}/{new Sym("Rc,group", held, Unit.Force)})");
        }

        if (T.Notes)
        {
            trace.Note(cap.Capacity is not null ? "capacity from the ground's layers"
                : rules.Source.Length > 0 ? $"capacity: {rules.Source}"
                : "capacity as stated, its source is not");
        }

        return outcome;
    }
}

/// <summary>The greatest pull of a pile, surcharge left out, against what it may carry in tension.</summary>
internal readonly struct PileTension : ICheckRule<Pile, Nothing>
{
    public static ReadOnlySpan<Pile> Of(Trial trial) => trial.Piles;

    public static Nothing Capacity(Pile s) => default;

    public static Outcome Evaluate<T>(Pile p, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!PileLoading.Counts(p, k, Family.Ground | Family.Stability))
        {
            return Outcome.NotDone;
        }

        var (cap, rules) = ((CapTrial)p.Trial, p.Rules.Piles);
        var with = p.Ground.Surcharge == 0 || p.Place.SurchargeFactors[k] == 0;
        var (force, off) = (with ? cap.Group.Force(k, p.Index) : cap.Group.ForceWithoutSurcharge(k, p.Index), cap.Group.Spread(k, p.Index));
        if (force - off >= 0)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            PileLoading.Head(p, k, "Tension of", ref trace);
            if (!with)
            {
                trace.Given($"R[{p.Number}]", force, Unit.Force, "without the surcharge, which may be absent");
            }

            PileLoading.Spread(off, ref trace);
        }

        var demand = trace.Let("T", off - force, Unit.Force,
            $"{new Sym("ΔR", off, Unit.Force)} − {new Sym($"R[{p.Number}]", force, Unit.Force)}");
        var isFound = rules.Tension is null && cap.Capacity is not null;
        var stated = isFound
            ? PileGroundTrace.Tension(cap, ref trace)
            : trace.Given("Rt", rules.Tension ?? 0, Unit.Force,
                rules.Tension is null ? "[piles] tension is not given: no pile may be pulled" : PileLoading.Source<T>(p, "tension"));
        var transient = PileLoading.Transient(p, k, ref trace);
        var held = trace.Let("Rt,held", stated * transient, Unit.Force,
            $"{new Sym("Rt", stated, Unit.Force)}·{new Sym("ft", transient, Unit.Ratio)}");
        var outcome = Outcome.Ratio(demand, held);
        if (held > 0)
        {
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"{new Sym("T", demand, Unit.Force)}/{new Sym("Rt,held", held, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note(rules.Tension is null && !isFound
                ? $"{p.Name} is pulled by {Unit.Force.FormatWithSymbol(demand, p.Units)} and [piles] tension is not given; give what one "
                    + "pile may carry in tension, or more weight or fewer piles"
                : "uplift of the group as a block is not checked");
        }

        return outcome;
    }
}

/// <summary>The load across the axis of the pile that gets most of it.</summary>
internal readonly struct PileLateral : ICheckRule<Pile, Nothing>
{
    public static ReadOnlySpan<Pile> Of(Trial trial) => trial.Piles;

    public static Nothing Capacity(Pile s) => default;

    public static Outcome Evaluate<T>(Pile p, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!PileLoading.Counts(p, k, Family.Ground | Family.Stability))
        {
            return Outcome.NotDone;
        }

        var (cap, rules) = ((CapTrial)p.Trial, p.Rules.Piles);
        var demand = cap.Group.Lateral(k, p.Index);
        if (demand <= 1e-9)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            PileLoading.Head(p, k, "Load across", ref trace);
            ref readonly var l = ref p.Trial.Body.Loads(k);
            var (n, at, twist) = (new Sym("n", cap.Group.Group.Count, Unit.Ratio), cap.Group.Group.At(p.Index), cap.Group.Twist(k));
            var (hx, hy) = cap.Group.LateralParts(k, p.Index);
            trace.Given("ΣFx", l.Fx, Unit.Force, "of the columns");
            trace.Given("ΣFy", l.Fy, Unit.Force, "of the columns");
            if (n.Value > 1)
            {
                trace.Given("Mz", twist, Unit.Moment, "about the vertical through the piles' centroid");
                var polar = new Sym("Σr²", cap.Group.Group.SumXX + cap.Group.Group.SumYY, Unit.Area);
                trace.Given("Σr²", polar.Value, Unit.Area, "of the piles about their centroid");
                trace.Let("Hx", hx, Unit.Force,
                    $"{new Sym("ΣFx", l.Fx, Unit.Force)}/{n} − {new Sym("Mz", twist, Unit.Moment)}·"
                        + $"{new Sym("y", at.Y, Unit.Length)}/{polar}");
                trace.Let("Hy", hy, Unit.Force,
                    $"{new Sym("ΣFy", l.Fy, Unit.Force)}/{n} + {new Sym("Mz", twist, Unit.Moment)}·"
                        + $"{new Sym("x", at.X, Unit.Length)}/{polar}");
            }
            else
            {
                trace.Let("Hx", hx, Unit.Force, $"{new Sym("ΣFx", l.Fx, Unit.Force)}/{n}");
                trace.Let("Hy", hy, Unit.Force, $"{new Sym("ΣFy", l.Fy, Unit.Force)}/{n}");
            }

            trace.Let("H", demand, Unit.Force, $"√({new Sym("Hx", hx, Unit.Force)}^2 + {new Sym("Hy", hy, Unit.Force)}^2)");
        }

        var stated = trace.Given("Rh", rules.Lateral ?? 0, Unit.Force,
            rules.Lateral is null ? "[piles] lateral is not given" : PileLoading.Source<T>(p, "lateral"));
        var share = trace.Given("fg", rules.LateralGroup, Unit.Ratio,
            "[piles] lateral-group: at three diameters groups often keep 0.5 to 0.7 of it");
        var transient = PileLoading.Transient(p, k, ref trace);
        var held = trace.Let("Rh,group", stated * share * transient, Unit.Force,
            $"{new Sym("Rh", stated, Unit.Force)}·{new Sym("fg", share, Unit.Ratio)}·{new Sym("ft", transient, Unit.Ratio)}");
        var outcome = Outcome.Ratio(demand, held);
        if (held > 0)
        {
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"{new Sym("H", demand, Unit.Force)}/{new Sym("Rh,group", held, Unit.Force)}");
        }

        if (T.Notes)
        {
            trace.Note(rules.Lateral is null
                ? $"{Unit.Force.FormatWithSymbol(demand, p.Units)} across a pile and [piles] lateral is not given; give what one pile may "
                    + "carry across its axis, or waive the check where something else holds the cap"
                : "no passive pressure or friction of the cap counts");
        }

        return outcome;
    }
}

/// <summary>Least distance of piles' centres, and of a pile's centre from the edge of the cap.</summary>
internal readonly struct PileSpacing : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var (cap, rules) = ((CapTrial)s.Trial, s.Rules.Piles);
        trace.Heading("Distance of the piles");
        var (pitch, edge) = (cap.Group.LeastPitch, ToEdge(cap));
        var least = trace.Let("s,least", rules.Pitch * rules.Side, Unit.Section,
            $"{new Sym("pitch", rules.Pitch, Unit.Ratio)}·{new Sym("D", rules.Side, Unit.Section)}");
        var beyond = trace.Let("e,least", rules.ToEdge, Unit.Section,
            $"{new Sym("D", rules.Side, Unit.Section)}/2 + {new Sym("edge", rules.Edge, Unit.Section)}");
        var e = trace.Given("e", edge, Unit.Section, "least distance of a pile's centre from the edge of the cap");
        var (a, b) = (double.IsInfinity(pitch) ? 0 : least / pitch, edge > 0 ? beyond / edge : Outcome.NoCapacity);
        if (!double.IsInfinity(pitch))
        {
            trace.Given("s", pitch, Unit.Section, "least distance of piles' centres");
        }

        if (a >= b)
        {
            trace.Let("utilisation", a, Unit.Ratio, $"{new Sym("s,least", least, Unit.Section)}/{new Sym("s", pitch, Unit.Section)}");
            trace.Note("distance of centres");
            return Outcome.Ratio(least, pitch);
        }

        if (edge > 0)
        {
            trace.Let("utilisation", b, Unit.Ratio, $"{new Sym("e,least", beyond, Unit.Section)}/{new Sym("e", e, Unit.Section)}");
        }

        trace.Note("distance to the edge");
        return Outcome.Ratio(beyond, edge);
    }

    // To the edge that is nearest.
    private static double ToEdge(CapTrial cap)
    {
        var least = double.PositiveInfinity;
        var outline = cap.Body.Outline;
        foreach (var p in cap.Piles)
        {
            for (var i = 0; i < outline.Length; i++)
            {
                least = Math.Min(least, -PileSection.Beyond(outline, i, new PlanPoint(p.X, p.Y)));
            }
        }

        return least;
    }
}
