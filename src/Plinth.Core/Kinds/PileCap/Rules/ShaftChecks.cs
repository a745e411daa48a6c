using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Piles;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>The shaft of a concrete pile: its section with its bars, and what bends it.</summary>
internal sealed class Shaft
{
    private Shaft(ColumnSection section, double momentPerLoad) => (Section, MomentPerLoad) = (section, momentPerLoad);

    /// <summary>Its section.</summary>
    public ColumnSection Section { get; }

    /// <summary>
    /// Greatest moment by one of load across its head, m; NaN where nothing is stated by which it bends, or it is too short for the rule.
    /// </summary>
    public double MomentPerLoad { get; }

    /// <summary>The shaft of the piles of a trial; null where its concrete or its bars are not stated, or it is not of concrete.</summary>
    public static Shaft? Of(CapTrial t)
    {
        var p = t.PileRules;
        if (!p.IsConcrete || p is not { Strength: { } fc, Bars: { Size: { } bar } bars })
        {
            return null;
        }

        var tie = p.Ties?.Size?.Diameter ?? t.Code.LeastTie(bar.Diameter);
        var round = p.Shape == PileShape.Round;
        var around = ColumnSection.Around(p.Side, p.Side, round, new BarLayer(bars.Count, bar), p.Cover + tie + (bar.Diameter / 2));
        var stiffness = t.Group.Stiffness;
        var bends = t.PileLength is { } length && length >= PileShaft.LeastLength(p, stiffness)
            ? PileShaft.MomentPerLoad(p, stiffness)
            : double.NaN;
        return new Shaft(t.Code.Section(p.Side, p.Side, round, around, fc, t.Rules.Steel.Yield), bends);
    }
}

/// <summary>
/// The greatest force in a shaft against its axial strength by how it is made (ACI 318-19 13.4.3; 318-14 leaves it to the general building
/// code).
/// </summary>
internal readonly struct PileAxial : ICheckRule<Pile, Nothing>
{
    public static ReadOnlySpan<Pile> Of(Trial trial) => trial.Piles;

    public static Nothing Capacity(Pile s) => default;

    public static Outcome Evaluate<T>(Pile p, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var (cap, rules) = ((CapTrial)p.Trial, p.Rules.Piles);
        var driven = rules.Made == PileMaking.DrivenConcrete;
        if (rules.Strength is not { } fc || !rules.IsConcrete || p.Code.DeepMemberPhi(driven) is not { } phi
            || p.Trial.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(p.Trial.Body, k, true, ref trace);
            trace.Heading($"Axial strength of {p.Name}");
        }

        var (force, off, steel) = (cap.Group.Force(k, p.Index), cap.Group.Spread(k, p.Index),
            rules.Bars is { Size: { } bar } bars ? bars.Count * bar.Area : 0);
        trace.Given("ΔR", off, Unit.Force, "more where the piles stand out of place");
        var demand = trace.Let("Pu", Math.Max(0, force + off), Unit.Force,
            $"max(0; {new Sym($"R[{p.Number}]", force, Unit.Force)} + {new Sym("ΔR", off, Unit.Force)})");
        trace.Given("Ag", rules.Area, Unit.Area, "of the shaft");
        trace.Given("Ast", steel, Unit.SteelArea, rules.Bars is null ? "no bars are stated" : "[piles] bars");
        var nominal = trace.Let("Pn,max", MostShare * ((0.85 * fc * (rules.Area - steel)) + (p.Rules.Steel.Yield * steel)), Unit.Force,
            $"0.80·(0.85·{new Sym("f'c", fc, Unit.Stress)}·({new Sym("Ag", rules.Area, Unit.SteelArea)} − "
                + $"{new Sym("Ast", steel, Unit.SteelArea)}) + {new Sym("fy", p.Rules.Steel.Yield, Unit.Stress)}·"
                + $"{new Sym("Ast", steel, Unit.SteelArea)})",
            $"{p.Code.Name} 22.4.2");
        trace.Given("φ", phi, Unit.Ratio, driven ? "precast concrete pile" : "uncased, cast in place", $"{p.Code.Name} 13.4.3.2");
        var held = trace.Let("φPn", phi * nominal, Unit.Force, $"{new Sym("φ", phi, Unit.Ratio)}·{new Sym("Pn,max", nominal, Unit.Force)}");
        var outcome = Outcome.Ratio(demand, held);
        trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
            $"{new Sym("Pu", demand, Unit.Force)}/{new Sym("φPn", held, Unit.Force)}");
        return outcome;
    }

    // 22.4.2.1: members with ties.
    private const double MostShare = 0.80;
}

/// <summary>
/// Force with bending in a shaft, by the load across its head in elastic ground, and by its share of moments that axial forces do not take.
/// </summary>
internal readonly struct PileBending : ICheckRule<Pile, Nothing>
{
    public static ReadOnlySpan<Pile> Of(Trial trial) => trial.Piles;

    public static Nothing Capacity(Pile s) => default;

    public static Outcome Evaluate<T>(Pile p, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var cap = (CapTrial)p.Trial;
        if (cap.Shaft is not { MomentPerLoad: var arm } shaft || double.IsNaN(arm)
            || p.Trial.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var (hx, hy) = cap.Group.LateralParts(k, p.Index);
        var (leftX, leftY, shared) = Left(cap, k);
        var (mx, my) = ((arm * Math.Abs(hx)) + leftX, (arm * Math.Abs(hy)) + leftY);
        var moment = Math.Sqrt((mx * mx) + (my * my));
        if (moment <= 1e-9)
        {
            return Outcome.NotDone;
        }

        var (force, spread, none) = (cap.Group.Force(k, p.Index), cap.Group.Spread(k, p.Index), default(NoTrace));
        var (most, least) = (Used(p, shaft, force + spread, mx, my, ref none), Used(p, shaft, force - spread, mx, my, ref none));
        var worst = Math.Max(most, least);
        if (T.Records)
        {
            BaseLoadCase.Contact(p.Trial.Body, k, true, ref trace);
            trace.Heading($"Shaft of {p.Name}");
            TellArm(cap, arm, ref trace);
            trace.Given("Hx", hx, Unit.Force, "across the pile along x");
            trace.Given("Hy", hy, Unit.Force, "across the pile along y");
            trace.Given("Mleft,x", leftX, Unit.Moment,
                shared ? "its share of what axial forces do not take, out of place included" : "axial forces, or tie beams, take all");
            trace.Given("Mleft,y", leftY, Unit.Moment, "the same along y");

            trace.Let("Mx", mx, Unit.Moment,
                $"{new Sym("M/H", arm, Unit.Length)}·|{new Sym("Hx", hx, Unit.Force)}| + {new Sym("Mleft,x", leftX, Unit.Moment)}");
            trace.Let("My", my, Unit.Moment,
                $"{new Sym("M/H", arm, Unit.Length)}·|{new Sym("Hy", hy, Unit.Force)}| + {new Sym("Mleft,y", leftY, Unit.Moment)}");
            trace.Given("ΔR", spread, Unit.Force, "more or less where the piles stand out of place");
            var atMost = most >= least;
            trace.Let("Pu", atMost ? force + spread : force - spread, Unit.Force,
                $"{new Sym($"R[{p.Number}]", force, Unit.Force)} {(atMost ? "+" : "−")} {new Sym("ΔR", spread, Unit.Force)}");
            Used(p, shaft, atMost ? force + spread : force - spread, mx, my, ref trace);
            trace.Let("utilisation", worst, Unit.Ratio, $"{new Sym("1/times", worst, Unit.Ratio)}");
        }

        if (T.Notes)
        {
            trace.Note($"M {Unit.Moment.FormatWithSymbol(moment, p.Units)} with {(most >= least ? "the greatest" : "the least")} force");
        }

        return Outcome.Ratio(worst, 1);
    }

    // What each shaft gets of moments that axial forces do not take, kNm; whether they take such.
    private static (double X, double Y, bool Shared) Left(CapTrial cap, int k)
    {
        ref readonly var l = ref cap.Group.Loads(k);
        if (!cap.PileRules.FixedHead || cap.Group.Group.Rank == 2)
        {
            return (0, 0, false);
        }

        var (n, off) = (cap.Group.Group.Count, Math.Abs(l.N) * cap.Group.Deviation);
        return ((Math.Abs(l.Left.X) + off) / n, (Math.Abs(l.Left.Y) + off) / n, true);
    }

    /// <summary>
    /// Force and moments in the shafts in all combinations of the concrete, at the greatest and the least force, as the figure shows them;
    /// none where the bending is not checked.
    /// </summary>
    public static IEnumerable<(string Combination, string Where, double N, double Mx, double My)> Acting(CapTrial cap)
    {
        if (cap.Shaft is not { MomentPerLoad: var arm } || double.IsNaN(arm))
        {
            yield break;
        }

        for (var k = 0; k < cap.Combinations.Length; k++)
        {
            if (!cap.Combinations[k].IsFor(Loads.Family.Concrete) || cap.Body.Contact(k).State == ContactState.NoEquilibrium)
            {
                continue;
            }

            for (var i = 0; i < cap.Piles.Length; i++)
            {
                var ((hx, hy), (leftX, leftY, _)) = (cap.Group.LateralParts(k, i), Left(cap, k));
                var (force, spread) = (cap.Group.Force(k, i), cap.Group.Spread(k, i));
                foreach (var n in (double[])[force + spread, force - spread])
                {
                    yield return (cap.Combinations[k].Name, $"on {cap.Piles[i].Name}", n, (arm * Math.Abs(hy)) + leftY,
                        (arm * Math.Abs(hx)) + leftX);
                }
            }
        }
    }

    private static double Used<T>(Pile p, Shaft shaft, double n, double mx, double my, ref T trace)
        where T : struct, ITrace
    {
        var times = p.Code.TimesHeld(ref trace, shaft.Section, n, my, mx);
        return times > 0 ? Math.Min(1 / times, Outcome.NoCapacity) : Outcome.NoCapacity;
    }

    private static void TellArm<T>(CapTrial cap, double arm, ref T trace)
        where T : struct, ITrace
    {
        var (rules, stiffness) = (cap.PileRules, cap.Group.Stiffness);
        trace.Given("E", cap.Code.Elasticity(rules.Strength!.Value), Unit.Stress, "of the shaft's concrete");
        trace.Given("I", rules.Inertia, Unit.FourthPower, "of its whole section");
        if (rules.ModulusRise is { } rise)
        {
            trace.Given("nh", rise, Unit.Subgrade, "[piles] modulus-rise");
            trace.Given("T", PileShaft.RisingLength(stiffness, rise), Unit.Length, "(E·I/nh)^⅕; Reese and Matlock 1956");
            trace.Given("M/H", arm, Unit.Length, rules.FixedHead ? "0.93·T at the head" : "0.77·T below the ground");
        }
        else
        {
            trace.Given("k", rules.Modulus!.Value, Unit.Subgrade, "[piles] subgrade-modulus");
            trace.Given("β", PileShaft.EvenFactor(stiffness, rules.Modulus!.Value, rules.Side), Unit.Ratio,
                "1/m, (k·D/(4·E·I))^¼; Hetényi 1946");
            trace.Given("M/H", arm, Unit.Length, rules.FixedHead ? "1/(2·β) at the head" : "0.32/β below the ground");
        }
    }
}
