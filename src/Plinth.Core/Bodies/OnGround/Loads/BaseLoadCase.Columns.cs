using System.Globalization;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Bodies;

/// <content>What a trace tells of what columns bring.</content>
internal static partial class BaseLoadCase
{
    private static void TellColumn<T>(Standing c, int k, ref T trace)
        where T : struct, ITrace
    {
        ref readonly var a = ref c.Action(k);
        TraceSums(c, k, ref trace);
        var arm = trace.Given(Of("H", c), c.Arm, Unit.Length, "level of the reactions above the underside");
        trace.Let(Of("Mx,col", c), c.Mx(k), Unit.Moment,
            $"{new Sym(Of("Mx", c), a.Mx, Unit.Moment)} − "
                + $"{new Sym(Of("H", c), arm, Unit.Length)}·{new Sym(Of("Fy", c), a.Fy, Unit.Force)}");
        trace.Let(Of("My,col", c), c.My(k), Unit.Moment,
            $"{new Sym(Of("My", c), a.My, Unit.Moment)} + "
                + $"{new Sym(Of("H", c), arm, Unit.Length)}·{new Sym(Of("Fx", c), a.Fx, Unit.Force)}");
    }

    private static void TraceSums<T>(Standing s, int k, ref T trace)
        where T : struct, ITrace
    {
        ref readonly var sum = ref s.Action(k);
        var shared = s.Place.Row?.At(s.Index);
        (string Symbol, double Value, Unit Unit, Func<SupportAction, double> Of)[] rows =
        [
            ("N", sum.N, Unit.Force, a => a.N), ("Fx", sum.Fx, Unit.Force, a => a.Fx), ("Fy", sum.Fy, Unit.Force, a => a.Fy),
            ("Mx", sum.Mx, Unit.Moment, a => a.Mx), ("My", sum.My, Unit.Moment, a => a.My),
        ];
        foreach (var (symbol, value, unit, of) in rows)
        {
            var parts = new List<FormulaPart>();
            foreach (var term in s.Combinations[k].Terms)
            {
                var own = of(shared is not null && symbol == "N" ? s.Loaded.BroughtCases[term.Case] : s.Loaded.CaseActions[term.Case]);
                if (own == 0)
                {
                    continue;
                }

                var factor = Math.Abs(term.Factor).ToString("0.####", CultureInfo.InvariantCulture);
                parts.Add(new FormulaPart((parts.Count == 0 ? (term.Factor < 0 ? "−" : "") : term.Factor < 0 ? " − " : " + ") + factor
                    + "·", default));
                parts.Add(new FormulaPart(null, new Sym(Of(symbol, s, s.Place.Cases[term.Case].Name), own, unit)));
            }

            if (parts.Count == 0)
            {
                parts.Add(new FormulaPart("0", default));
            }

            if (shared is null || symbol != "N")
            {
                trace.Add(new TraceStep(TraceKind.Formula, Of(symbol, s), value, unit, parts, null));
                continue;
            }

            // Of a column at which rows cross this one carries what lets both sink alike.
            var other = Grids.GridRow.MarkOf(s.Place.Row!.Grid, shared.Other);
            trace.Add(new TraceStep(TraceKind.Formula, Of("N,all", s), s.Brings(k).N, unit, parts, null));
            trace.Given(Of(symbol, s), value, unit, $"of it on this row, so that {other} sinks as much there");
        }
    }
}
