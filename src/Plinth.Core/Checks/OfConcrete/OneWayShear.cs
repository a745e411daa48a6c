using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>Strengths of a base in one-way shear.</summary>
/// <param name="Bottom">φVc with the bottom bars, kN.</param>
/// <param name="Top">φVc with the top bars; 0 without, kN.</param>
/// <param name="Plain">φVn of plain concrete, kN; it counts on top where <see cref="PlainConcrete"/> says.</param>
/// <param name="AtFace">Greatest shear at the very face, kN; infinite where the code limits none.</param>
internal readonly record struct OneWayStrength(double Bottom, double Top, double Plain, double AtFace);

/// <summary>
/// Shear across the whole base on both sides of the column: upward at d from the face, downward at the face (ACI 318 7.4.3.2, 13.2.7.2).
/// </summary>
internal readonly struct OneWayShear<TAxis> : ICheckRule<SlabSpan, OneWayStrength>
    where TAxis : struct, IAxis
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => trial.Spans(TAxis.IsX);

    // Of one face alone, all combinations have the same strength, and only the depth of its bars places the section.
    public static double GoverningKey(SlabSpan s) => s.Trial.Looking switch
    {
        Face.Bottom => s.Depth(true),
        _ => double.NaN,
    };

    public static OneWayStrength Capacity(SlabSpan s)
    {
        var none = default(NoTrace);
        return new OneWayStrength(Strength(s, true, ref none), Strength(s, false, ref none), Plain(s, ref none),
            s.Code.LimitsShearAtFace
                ? s.Code.SteepShear(ref none, s.Rules.Concrete, s.Breadth, s.Depth(true))
                : double.PositiveInfinity);
    }

    public static Outcome Evaluate<T>(SlabSpan s, in OneWayStrength strength, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var plain = s.PlainOnTop(k) && strength.Plain > strength.Top;
        var worst = Outcome.Ratio(0, strength.Bottom) with { Face = Face.Bottom };
        var governing = default(SectionForces);
        var atFace = false;
        for (var side = -1; side <= 1; side += 2)
        {
            if (s.LooksAt(Face.Bottom))
            {
                var up = s.Beyond(k, side, s.Depth(true));
                if (up.Lost)
                {
                    return SectionForces.NoEquilibrium(strength.Bottom, Face.Bottom, ref trace);
                }

                var bottom = Outcome.Ratio(up.ShearUp, strength.Bottom);
                if (bottom.Utilisation > worst.Utilisation)
                {
                    (worst, governing, atFace) = (bottom with { Face = Face.Bottom }, up, false);
                }

                if (s.Code.LimitsShearAtFace)
                {
                    ref readonly var face = ref s.AtFace(k, side);
                    var crushed = Outcome.Ratio(face.ShearUp, strength.AtFace);
                    if (crushed.Utilisation > worst.Utilisation)
                    {
                        (worst, governing, atFace) = (crushed with { Face = Face.Bottom }, face, true);
                    }
                }
            }

            if (s.LooksAt(Face.Top))
            {
                var down = s.AtFace(k, side);
                var top = Outcome.Ratio(Significant(down.ShearDown, down.DownShear),
                    plain ? strength.Plain : strength.Top) with
                { Plain = plain };
                if (top.Utilisation > worst.Utilisation)
                {
                    (worst, governing, atFace) = (top with { Face = Face.Top }, down, false);
                }
            }
        }

        if (T.Records)
        {
            var isUp = worst.Face == Face.Bottom;
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading(isUp
                ? $"Upward shear across {TAxis.Name}, at {(atFace ? "" : "d from ")}the face"
                : $"Downward shear across {TAxis.Name}, at the face");
            if (!worst.Plain && (isUp || s.Layer(false).Any))
            {
                trace.Given("d", s.Depth(isUp), Unit.Section, $"of the {(isUp ? "bottom" : "top")} bars along {TAxis.Name}");
            }

            if (worst.Utilisation > 0)
            {
                s.Tell(governing, k, isUp, moment: false, ref trace);
            }
            else
            {
                trace.Remark("Both sections lie outside the base, or nothing acts beyond them.");
            }

            if (worst.Capacity > 0)
            {
                if (worst.Plain)
                {
                    Plain(s, ref trace);
                }
                else
                {
                    if (atFace)
                    {
                        s.Code.SteepShear(ref trace, s.Rules.Concrete, s.Breadth, s.Depth(true));
                    }
                    else
                    {
                        Strength(s, isUp, ref trace);
                    }
                }

                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym("Vu", worst.Demand, Unit.Force)}/{new Sym(atFace ? "VEd,max" : "φVc", worst.Capacity, Unit.Force)}");
            }
        }

        if (worst.Plain && worst.Passes)
        {
            trace.Note($"plain concrete holds what presses down beyond the face ({s.Code.PlainShort})");
        }
        else if (worst.Face == Face.Top && !s.Layer(false).Any)
        {
            trace.Note("pressed down beyond the face: top steel is needed");
        }
        else if (worst.Utilisation == 0)
        {
            trace.Note("the section at d lies outside the base");
        }

        return worst;
    }

    /// <summary>Differences of exact integrals leave a residue where nothing acts; it is no demand.</summary>
    internal static double Significant(double value, double scale) => value > 1e-9 * Math.Abs(scale) ? value : 0;

    private static double Plain<T>(SlabSpan s, ref T trace)
        where T : struct, ITrace
    {
        var plain = s.Code.PlainThickness(s.Thickness);
        return plain > 0 ? s.Code.PlainOneWayShear(ref trace, s.Rules.Concrete, s.Breadth, plain) : 0;
    }

    private static double Strength<T>(SlabSpan s, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var breadth = s.Breadth;
        if (!bottom && !s.Layer(false).Any)
        {
            return 0;
        }

        return s.Code.OneWayShear(ref trace, s.Rules.Concrete, breadth, s.Depth(bottom), Counted(s, bottom, ref trace),
            s.Body.Rest is null);
    }

    // The bars that count in shear: where the code asks it, only if they run far enough beyond the sections.
    private static double Counted<T>(SlabSpan s, bool bottom, ref T trace)
        where T : struct, ITrace
    {
        var steel = s.Steel(bottom);
        if (s.Code is not IShearPerimeters code || steel <= 0)
        {
            return steel;
        }

        var d = s.Depth(bottom);
        var beyond = double.PositiveInfinity;
        for (var side = -1; side <= 1; side += 2)
        {
            // Bottom bars are asked for at d from the face, top bars at the face.
            var at = s.Overhang(side) - (bottom ? d : 0);
            beyond = at > Anchorage.Touch ? Math.Min(beyond, at - s.Rules.Concrete.CoverSide) : beyond;
        }

        if (double.IsInfinity(beyond))
        {
            return steel;
        }

        var asked = code.ShearSteelBeyond(ref trace, s.Rules.Concrete, Anchorage.Bar(s, bottom, ref trace), s.Layer(bottom).Hooked, d);
        trace.Given("beyond", beyond, Unit.Section, asked <= beyond
            ? "bars beyond the section, on the side that has less: they count"
            : "bars beyond the section, on the side that has less, not lbd + d: they do not count");
        return asked <= beyond ? steel : trace.Given("As", 0, Unit.SteelArea, "none that counts");
    }
}
