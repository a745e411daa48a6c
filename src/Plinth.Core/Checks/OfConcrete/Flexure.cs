using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>A face of a base as a type.</summary>
internal interface IFace
{
    /// <summary>Whether it is the bottom.</summary>
    static abstract bool IsBottom { get; }
}

/// <summary>The bottom, stretched by upward pressure.</summary>
internal readonly struct BottomFace : IFace
{
    public static bool IsBottom => true;
}

/// <summary>The top, stretched where weights exceed the pressure.</summary>
internal readonly struct TopFace : IFace
{
    public static bool IsBottom => false;
}

/// <summary>Moment at both faces of the column over the whole base against the bars of a face that span along an axis.</summary>
internal readonly struct Flexure<TAxis, TFace> : ICheckRule<FlexuralStrength>
    where TAxis : struct, IAxis
    where TFace : struct, IFace
{
    // The strength is the same for all combinations and the moment at the face knows no bars.
    public static double GoverningKey(BaseState s) => 0;

    public static FlexuralStrength Capacity(BaseState s)
    {
        var none = default(NoTrace);
        return Strength(s, ref none);
    }

    public static Outcome Evaluate<T>(BaseState s, in FlexuralStrength strength, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!s.LooksAt(TFace.IsBottom ? Face.Bottom : Face.Top) || s.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var governing = default(SectionForces);
        var demand = 0.0;
        for (var side = -1; side <= 1; side += 2)
        {
            var f = SectionForces.Beyond(s, k, TAxis.IsX, side, 0);
            var m = TFace.IsBottom ? f.MomentUp : OneWayShear<TAxis>.Significant(f.MomentDown, f.DownMoment);
            if (m > demand || governing.Side == 0)
            {
                (demand, governing) = (m, f);
            }
        }

        var face = TFace.IsBottom ? Face.Bottom : Face.Top;
        var outcome = Outcome.Ratio(demand, strength.Strength) with { Face = face };
        if (!strength.Ductile && demand > 0)
        {
            outcome = outcome with { Utilisation = Outcome.NoCapacity, FailsAnyhow = true };
            trace.Note("too much steel for the depth: the section is not tension-controlled; thicken the base");
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s, k, true, ref trace);
            trace.Heading($"{(TFace.IsBottom ? "Bottom" : "Top")} flexure along {TAxis.Name}, at the face");
            governing.Tell(s, k, TAxis.IsX, TFace.IsBottom, moment: true, ref trace);
            if (strength.Strength > 0)
            {
                Strength(s, ref trace);
                trace.Let("utilisation", demand / strength.Strength, Unit.Ratio, $"{new Sym("Mu", demand, Unit.Moment)}/{new Sym("φMn", strength.Strength, Unit.Moment)}");
            }
        }

        if (!s.Layer(TAxis.IsX, TFace.IsBottom).Any && demand > 0)
        {
            trace.Note(TFace.IsBottom ? "no bottom bars" : outcome.Passes ? "plain concrete holds what weights exceed the pressure" : "weights exceed the pressure beyond the face: top steel is needed");
        }

        return outcome;
    }

    private static FlexuralStrength Strength<T>(BaseState s, ref T trace)
        where T : struct, ITrace
    {
        var layer = s.Layer(TAxis.IsX, TFace.IsBottom);
        if (!layer.Any)
        {
            var plain = s.Code.PlainThickness(s.Thickness);
            return new FlexuralStrength(TFace.IsBottom || plain <= 0 ? 0 : s.Code.PlainFlexure(ref trace, s.Rules.Concrete, TAxis.IsX ? s.Width : s.Length, plain), true, double.PositiveInfinity);
        }

        var area = trace.Let("As", layer.Area, Unit.SteelArea, $"{new Sym("n", layer.Count, Unit.Ratio)}·{new Sym("Ab", layer.Size!.Area, Unit.SteelArea)}");
        var spread = s.ShortWayFactor(TAxis.IsX);
        if (spread > 1)
        {
            var beta = TAxis.IsX ? s.Width / s.Length : s.Length / s.Width;
            var b = new Sym("β", beta, Unit.Ratio);
            area = layer.Band > 0
                ? trace.Let("As,eff", Math.Min(area, layer.Band * layer.Size!.Area * (beta + 1) / 2), Unit.SteelArea, $"min({new Sym("As", area, Unit.SteelArea)}; {new Sym("nband", layer.Band, Unit.Ratio)}·{new Sym("Ab", layer.Size.Area, Unit.SteelArea)}·({b} + 1)/2)", s.Code.ShortWayClause)
                : trace.Let("As,eff", area / spread, Unit.SteelArea, $"{new Sym("As", area, Unit.SteelArea)}/(2·{b}/({b} + 1))", s.Code.ShortWayClause);
        }

        trace.Given("d", s.Depth(TAxis.IsX, TFace.IsBottom), Unit.Section, $"of the {(TFace.IsBottom ? "bottom" : "top")} bars along {TAxis.Name}");
        return s.Code.Flexure(ref trace, s.Rules.Concrete, s.Rules.Steel.Yield, area, TAxis.IsX ? s.Width : s.Length, s.Depth(TAxis.IsX, TFace.IsBottom));
    }
}
