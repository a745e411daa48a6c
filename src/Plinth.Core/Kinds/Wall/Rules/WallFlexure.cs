using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Wall;

/// <summary>A wall's section, found once for its bars.</summary>
/// <param name="Section">A metre of it; null of masonry.</param>
internal readonly record struct WallSection(ColumnSection? Section);

/// <summary>
/// Force and moment on a metre of wall where it meets its base and where it bends most, at both ends of its length: of concrete by its
/// bars, of masonry by allowable stresses without cracking.
/// </summary>
internal readonly struct WallFlexure : ICheckRule<WallStem, WallSection>
{
    public static ReadOnlySpan<WallStem> Of(Trial trial) => ((WallTrial)trial).StemsChecked;

    public static WallSection Capacity(WallStem s) => new(s.Stated.Masonry ? null : s.Section());

    public static Outcome Evaluate<T>(WallStem s, in WallSection wall, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!s.Combinations[k].IsFor(s.Stated.Masonry ? Family.Ground : Family.Concrete)
            || (s.Stated is { Masonry: true, Compression: null, Tension: null }))
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (worst, at) = (Outcome.NotDone, default(StemForces));
        for (var end = -1; end <= 1; end += 2)
        {
            // Nothing turns the wall in its own plane: both ends stand alike.
            var foot = s.AtBase(k, end);
            if (end > 0 && foot.Force == at.Force && s.AtPeak(k, end) is null)
            {
                break;
            }

            Look(foot, wall, ref none);
            if (s.AtPeak(k, end) is { } peak)
            {
                Look(peak, wall, ref none);
            }
        }

        if (T.Records)
        {
            TellForces(s, k, at, ref trace);
            worst = One(s, wall, at, ref trace);
        }

        if (T.Notes)
        {
            trace.Note(at.Height > 0
                ? $"{Unit.Length.FormatWithSymbol(at.Height, s.Units)} above the base, its other face stretched"
                : $"at the base, its {Face(at.Moment >= 0, s.Soil is null)} stretched");
        }

        return worst;

        void Look(in StemForces forces, in WallSection wall, ref NoTrace none)
        {
            var o = One(s, wall, forces, ref none);
            if (!worst.Done || o.Utilisation > worst.Utilisation)
            {
                (worst, at) = (o, forces);
            }
        }
    }

    private static string Face(bool first, bool free) => (first, free) switch
    {
        (true, true) => "+y face",
        (false, true) => "−y face",
        (true, false) => "face towards the soil",
        _ => "free face",
    };

    private static Outcome One<T>(WallStem s, in WallSection wall, in StemForces f, ref T trace)
        where T : struct, ITrace
    {
        if (wall.Section is not { } section)
        {
            return Masonry(s, f, ref trace);
        }

        var times = s.Code.TimesHeld(ref trace, section, f.Force, f.Moment, 0);
        var used = times > 0 ? 1 / times : Outcome.NoCapacity;
        if (times > 0 && double.IsFinite(times))
        {
            trace.Let("utilisation", used, Unit.Ratio, $"1/{new Sym("times held", times, Unit.Ratio)}");
        }
        else
        {
            trace.Given("utilisation", used, Unit.Ratio, times > 0 ? "nothing acts" : "the section holds nothing of it");
        }

        return new Outcome { Done = true, Demand = used, Capacity = 1, Utilisation = used, FailsAnyhow = times <= 0 };
    }

    // Stresses of the uncracked section.
    private static Outcome Masonry<T>(WallStem s, in StemForces f, ref T trace)
        where T : struct, ITrace
    {
        var t = s.Thickness;
        var (axial, bending) = (f.Force / t, 6 * Math.Abs(f.Moment) / (t * t));
        var (n, m, h) = (new Sym("nu", f.Force, Unit.LineLoad), new Sym("mu", Math.Abs(f.Moment), Unit.LineMoment),
            new Sym("t", t, Unit.Section));
        trace.Let("σa", axial, Unit.Stress, $"{n}/{h}");
        trace.Let("σb", bending, Unit.Stress, $"6·{m}/{h}^2");
        var (pressed, pulled) = (axial + bending, Math.Max(0, bending - axial));
        var worst = Outcome.NotDone;
        if (s.Stated.Compression is { } most)
        {
            worst = Outcome.Ratio(Math.Max(0, pressed), most);
            trace.Let("compression", worst.Utilisation, Unit.Ratio,
                $"({new Sym("σa", axial, Unit.Stress)} + {new Sym("σb", bending, Unit.Stress)})/{new Sym("allowed", most, Unit.Stress)}");
        }

        if (s.Stated.Tension is { } pull && Outcome.Ratio(pulled, pull) is var tension && (!worst.Done || tension.Utilisation
            > worst.Utilisation))
        {
            worst = tension;
            trace.Let("tension", worst.Utilisation, Unit.Ratio,
                $"max(0; {new Sym("σb", bending, Unit.Stress)} − {new Sym("σa", axial, Unit.Stress)})/"
                    + $"{new Sym("allowed", pull, Unit.Stress)}");
        }

        return worst with { Demand = worst.Utilisation, Capacity = 1 };
    }

    /// <summary>Tells what acts on a metre of wall.</summary>
    internal static void TellForces<T>(WallStem s, int k, in StemForces f, ref T trace)
        where T : struct, ITrace
    {
        if (!T.Records)
        {
            return;
        }

        var wall = s.Trial.Columns[0];
        trace.Heading($"Forces on a metre of wall at its {(f.End < 0 ? "−" : "+")}x end, {s.Combinations[k].Name}");
        ref readonly var a = ref wall.Action(k);
        var arm = trace.Given("H", wall.Arm - wall.Body.Thickness, Unit.Length, "level of the reactions above the top of the base");
        var along = trace.Let("My,in", a.My + (arm * a.Fx), Unit.Moment,
            $"{new Sym("My", a.My, Unit.Moment)} + {new Sym("H", arm, Unit.Length)}·{new Sym("Fx", a.Fx, Unit.Force)}");
        var own = trace.Given("wstem",
            s.Combinations[k].WeightFactor * (s.Stated.Weight ?? s.Rules.Concrete.Weight) * (s.Height - f.Height) * s.Thickness,
            Unit.LineLoad, "factored weight of the wall above the section");
        trace.Let("nu", f.Force, Unit.LineLoad,
            $"{new Sym("N", a.N, Unit.Force)}/{new Sym("ℓ", s.Length, Unit.Length)} {(f.End < 0 ? "−" : "+")} "
                + $"6·{new Sym("My,in", along, Unit.Moment)}/{new Sym("ℓ", s.Length, Unit.Length)}^2 + "
                + $"{new Sym("wstem", own, Unit.LineLoad)}");
        var (thrust, prop) = s.Pushed(k, f.Height);
        if (s.Soil is not null)
        {
            trace.Given("v,soil", thrust.Force, Unit.LineLoad, "factored thrust of soil, water and surcharge above the section");
            trace.Given("m,soil", thrust.Moment, Unit.LineMoment, "its moment about the section");
            if (prop > 0)
            {
                trace.Given("prop", prop, Unit.LineLoad, "what holds the top takes: ∫p·η²(3H − η)/(2H³) dη");
            }
        }

        trace.Given("vu", f.Shear, Unit.LineLoad, "across the wall, with that of the reactions, Fy/ℓ, at the base");
        trace.Given("mu", f.Moment, Unit.LineMoment, "with that of the reactions, (Mx − H·Fy)/ℓ, at the base; positive stretches the "
            + (s.Soil is null ? "+y face" : "face towards the soil"));
    }
}

/// <summary>
/// Shear of a wall where it meets its base, against the concrete of the face that is stretched and by friction across the joint.
/// </summary>
internal readonly struct WallShear : ICheckRule<WallStem, Nothing>
{
    public static ReadOnlySpan<WallStem> Of(Trial trial) => ((WallTrial)trial).StemsChecked;

    public static Nothing Capacity(WallStem s) => default;

    public static Outcome Evaluate<T>(WallStem s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Stated.Masonry || !s.Combinations[k].IsFor(Family.Concrete))
        {
            return Outcome.NotDone;
        }

        // The end that is pressed less.
        var (low, high) = (s.AtBase(k, -1), s.AtBase(k, 1));
        var f = low.Force <= high.Force ? low : high;
        var shear = Math.Abs(f.Shear);
        WallFlexure.TellForces(s, k, f, ref trace);
        trace.Heading("Shear where the wall meets the base");
        var bars = f.Moment >= 0 || s.Stated.Layers == 1 ? s.Bars.Soil : s.Bars.Free;
        var depth = trace.Given("d", s.Depth(bars), Unit.Section, "of the upright bars of the stretched face");
        var concrete = s.Code.OneWayShear(ref trace, s.Concrete, 1, depth, WallStem.PerMetre(bars), false);
        if (f.Force < 0)
        {
            // A pull takes Nu/(6·Ag) off the concrete's stress (22.5.5.1).
            concrete = trace.Let("φVc,n", Math.Max(0, concrete + ((s.Concrete.ShearPhi ?? 0.75) * f.Force / (6 * s.Thickness) * depth)),
                Unit.Force,
                $"max(0; {new Sym("φVc", concrete, Unit.Force)} + {new Sym("φ", s.Concrete.ShearPhi ?? 0.75, Unit.Ratio)}·"
                    + $"{new Sym("nu", f.Force, Unit.LineLoad)}·{new Sym("d", depth, Unit.Section)}/"
                    + $"(6·{new Sym("h", s.Thickness, Unit.Section)})"
                    + $"·{new Sym("1 m", 1, Unit.Length)})");
        }

        var joint = s.Code.ShearFriction(ref trace, new Concrete.Codes.FrictionJoint(
            Math.Min(s.Concrete.Strength, s.Rules.Concrete.Strength), s.Concrete.Lightweight, s.Thickness, s.Upright, s.Rules.Steel.Yield,
            Math.Min(0, f.Force), s.Rules.Column.Joint));
        var held = Math.Min(concrete, joint);
        var outcome = Outcome.Ratio(shear, held);
        if (T.Notes && joint < concrete)
        {
            trace.Note("friction across the joint with the base decides");
        }

        if (held > 0)
        {
            trace.Let("utilisation", outcome.Utilisation, Unit.Ratio,
                $"{new Sym("vu", shear, Unit.Force)}/min({new Sym("φVc", concrete, Unit.Force)}; {new Sym("φVn", joint, Unit.Force)})");
        }

        return outcome;
    }
}

/// <summary>
/// Axial force on a metre of concrete wall by the simplified method, where the resultant lies within the middle third.
/// </summary>
internal readonly struct WallAxial : ICheckRule<WallStem, Nothing>
{
    public static ReadOnlySpan<WallStem> Of(Trial trial) => ((WallTrial)trial).StemsChecked;

    public static Nothing Capacity(WallStem s) => default;

    public static Outcome Evaluate<T>(WallStem s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Stated.Masonry || !s.Combinations[k].IsFor(Family.Concrete))
        {
            return Outcome.NotDone;
        }

        var (low, high) = (s.AtBase(k, -1), s.AtBase(k, 1));
        var f = low.Force >= high.Force ? low : high;
        if (f.Force <= 0 || Math.Abs(f.Moment) > f.Force * s.Thickness / 6)
        {
            return Outcome.NotDone;
        }

        WallFlexure.TellForces(s, k, f, ref trace);
        trace.Heading("Axial strength of a metre of wall");
        var held = s.Code.WallAxial(ref trace, s.Concrete.Strength, s.Thickness, s.Height, s.IsHeld);
        if (held > 0)
        {
            trace.Let("utilisation", f.Force / held, Unit.Ratio,
                $"{new Sym("nu", f.Force, Unit.LineLoad)}/{new Sym("φPn", held, Unit.LineLoad)}");
        }

        return Outcome.Ratio(f.Force, held);
    }
}
