using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Cli.Output;

/// <summary>Prints a trace: symbol, formula, substituted values, result, clause.</summary>
internal static class TraceText
{
    private const int Indent = 10;

    public static void Write(Screen screen, IReadOnlyList<TraceStep> steps, UnitSystem units)
    {
        foreach (var s in steps)
        {
            switch (s.Kind)
            {
                case TraceKind.Heading:
                    screen.Line();
                    screen.Line(s.Symbol, Styles.Head);
                    break;
                case TraceKind.Remark:
                    screen.Line("  " + s.Symbol);
                    break;
                case TraceKind.Given:
                    Write(screen, s, $"= {s.Result(units)}   {s.FormulaText}");
                    break;
                default:
                    Formula(screen, s, units);
                    break;
            }
        }
    }

    private static void Formula(Screen screen, TraceStep s, UnitSystem units)
    {
        var substituted = s.Substituted(units);
        var result = s.Result(units);
        if (s.Formula.All(p => p.Text is not null))
        {
            Write(screen, s, $"= {result}");
            return;
        }

        var one = $"= {s.FormulaText} = {substituted} = {result}";
        if (one.Length + Indent + (s.Clause?.Length ?? 0) <= 96)
        {
            Write(screen, s, one);
            return;
        }

        Write(screen, s, $"= {s.FormulaText}");
        screen.Line(new string(' ', Indent + 2) + $"= {substituted} = {result}");
    }

    private static void Write(Screen screen, TraceStep s, string text) =>
        screen.Line("  " + s.Symbol.PadRight(Indent - 1) + " " + text + (s.Clause is null ? "" : "   [" + s.Clause + "]"));
}
