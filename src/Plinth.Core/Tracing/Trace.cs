using System.Runtime.CompilerServices;
using Plinth.Core.Units;

namespace Plinth.Core.Tracing;

/// <summary>A symbol in a formula with the value put in for it.</summary>
/// <param name="Symbol">As the standard writes it.</param>
/// <param name="Value">Its value in kN, m, kPa.</param>
/// <param name="Unit">The unit in which it is shown.</param>
public readonly record struct Sym(string Symbol, double Value, Unit Unit)
{
    /// <summary>One metre, or one foot: what strips of a wall are counted by.</summary>
    /// <param name="units">Units of display.</param>
    public static Sym Strip(UnitSystem units) =>
        new("1 " + Unit.Length.Symbol(units), 1 / Unit.Length.In(1, units), Unit.Length);
}

/// <summary>A piece of a formula: literal text, or a symbol with its value.</summary>
/// <param name="Text">The text; null for a symbol.</param>
/// <param name="Symbol">The symbol; meaningless for text.</param>
public readonly record struct FormulaPart(string? Text, Sym Symbol);

/// <summary>
/// Receives the steps of a check. Checks take one as a generic struct parameter, so that the recorder which records nothing costs nothing:
/// the same code computes the number and, when asked, its trace.
/// </summary>
public interface ITrace
{
    /// <summary>Whether steps are kept.</summary>
    static abstract bool Records { get; }

    /// <summary>Whether notes are composed (they are for results that are shown, not while sizing searches).</summary>
    static abstract bool Notes { get; }

    /// <summary>Keeps a step.</summary>
    void Add(TraceStep entry);

    /// <summary>Keeps the note that goes with the result; a later one replaces it.</summary>
    void Note(string text);

    /// <summary>Keeps where along its own x, from the base's centroid, m, the section lies that decides.</summary>
    void Along(double x);
}

/// <summary>What a step of a trace is.</summary>
public enum TraceKind
{
    /// <summary>A value by a formula that is dimensionally homogeneous.</summary>
    Formula,

    /// <summary>A value by a formula that holds only in the units shown.</summary>
    Empirical,

    /// <summary>A value given or found elsewhere; its source stands in place of the formula.</summary>
    Given,

    /// <summary>A heading.</summary>
    Heading,

    /// <summary>A remark.</summary>
    Remark,
}

/// <summary>A step of a trace.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Symbol">The symbol that gets the value; the text of a heading or remark.</param>
/// <param name="Value">The value in kN, m, kPa.</param>
/// <param name="Unit">The unit in which it is shown.</param>
/// <param name="Formula">Pieces of the formula, or the source of a given value.</param>
/// <param name="Clause">Where it stands in the standard; null for statics.</param>
public sealed record TraceStep(TraceKind Kind, string Symbol, double Value, Unit Unit, IReadOnlyList<FormulaPart> Formula, string? Clause)
{
    /// <summary>The formula in symbols.</summary>
    public string FormulaText => string.Concat(Formula.Select(p => p.Text ?? p.Symbol.Symbol));

    /// <summary>The formula with values put in for the symbols.</summary>
    /// <param name="system">The units of display.</param>
    public string Substituted(UnitSystem system) => string.Concat(Formula.Select(p => p.Text ?? Shown(p.Symbol, system)));

    /// <summary>The result with its unit.</summary>
    /// <param name="system">The units of display.</param>
    public string Result(UnitSystem system) => Unit.FormatTraced(Value, system);

    private static string Shown(Sym s, UnitSystem system)
    {
        var text = Unit.Significant(s.Unit.In(s.Value, system));
        return text[0] == '-' ? "(" + text + ")" : text;
    }
}

/// <summary>Records nothing and composes no notes: for the search.</summary>
public readonly struct NoTrace : ITrace
{
    /// <inheritdoc/>
    public static bool Records => false;

    /// <inheritdoc/>
    public static bool Notes => false;

    /// <inheritdoc/>
    public void Add(TraceStep entry)
    {
        // Nothing is kept, by design of the type.
    }

    /// <inheritdoc/>
    public void Note(string text)
    {
        // Nothing is kept, by design of the type.
    }

    /// <inheritdoc/>
    public void Along(double x)
    {
        // Nothing is kept, by design of the type.
    }
}

/// <summary>Holds the note of a result.</summary>
public sealed class NoteSlot
{
    /// <summary>The note; null if there is none.</summary>
    public string? Text { get; set; }

    /// <summary>Where along x the section lies that decides, m from the base's centroid; null: it is of no section along x.</summary>
    public double? Along { get; set; }
}

/// <summary>Composes notes but records no steps: for results.</summary>
/// <param name="slot">Receives the note.</param>
public readonly struct NotesOnly(NoteSlot slot) : ITrace
{
    /// <inheritdoc/>
    public static bool Records => false;

    /// <inheritdoc/>
    public static bool Notes => true;

    /// <inheritdoc/>
    public void Add(TraceStep entry)
    {
        // Nothing is kept, by design of the type.
    }

    /// <inheritdoc/>
    public void Note(string text) => slot.Text = text;

    /// <inheritdoc/>
    public void Along(double x) => slot.Along = x;
}

/// <summary>Records every step.</summary>
/// <param name="steps">Receives them.</param>
/// <param name="slot">Receives the note.</param>
/// <param name="letters">A code's own letters for symbols; null: as checks write them.</param>
public readonly struct Recorder(List<TraceStep> steps, NoteSlot slot, IReadOnlyDictionary<string, string>? letters = null) : ITrace
{
    /// <inheritdoc/>
    public static bool Records => true;

    /// <inheritdoc/>
    public static bool Notes => true;

    /// <inheritdoc/>
    public void Add(TraceStep entry) => steps.Add(letters is not { Count: > 0 } own || entry.Kind is TraceKind.Heading or TraceKind.Remark
        ? entry
        : entry with
        {
            Symbol = own.GetValueOrDefault(entry.Symbol, entry.Symbol),
            Formula = [.. entry.Formula.Select(p => p.Text is null
                ? p with { Symbol = p.Symbol with { Symbol = own.GetValueOrDefault(p.Symbol.Symbol, p.Symbol.Symbol) } }
                : p)],
        });

    /// <inheritdoc/>
    public void Note(string text) => slot.Text = text;

    /// <inheritdoc/>
    public void Along(double x) => slot.Along = x;
}

/// <summary>
/// A formula written as an interpolated string of <see cref="Sym"/>; nothing of it is evaluated unless the recorder records.
/// </summary>
[InterpolatedStringHandler]
public readonly struct Formula<T>
    where T : struct, ITrace
{
    private readonly List<FormulaPart>? parts;

    /// <summary>Made by the compiler.</summary>
    public Formula(int literalLength, int formattedCount, out bool enabled)
    {
        _ = literalLength;
        enabled = T.Records;
        parts = enabled ? new List<FormulaPart>((formattedCount * 2) + 1) : null;
    }

    /// <summary>The pieces.</summary>
    public IReadOnlyList<FormulaPart> Parts => parts ?? [];

    /// <summary>The pieces of text joined.</summary>
    public string Text => string.Concat(Parts.Select(p => p.Text));

    /// <summary>Adds text.</summary>
    public void AppendLiteral(string text) => parts!.Add(new FormulaPart(text, default));

    /// <summary>Adds a symbol with its value.</summary>
    public void AppendFormatted(Sym symbol) => parts!.Add(new FormulaPart(null, symbol));

    /// <summary>Adds text that is itself computed.</summary>
    public void AppendFormatted(string text) => parts!.Add(new FormulaPart(text, default));
}

/// <summary>How checks speak to a recorder.</summary>
public static class TraceExtensions
{
    /// <summary>Records a value by a dimensionally homogeneous formula and returns it.</summary>
    public static double Let<T>(this ref T trace, string symbol, double value, Unit unit, Formula<T> formula, string? clause = null)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Formula, symbol, value, unit, formula.Parts, clause));
        }

        return value;
    }

    /// <summary>Records a value by a formula that holds only in the units shown, and returns it.</summary>
    public static double Empirical<T>(this ref T trace, string symbol, double value, Unit unit, Formula<T> formula, string? clause = null)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Empirical, symbol, value, unit, formula.Parts, clause));
        }

        return value;
    }

    /// <summary>Records a value with its source and returns it.</summary>
    public static double Given<T>(this ref T trace, string symbol, double value, Unit unit, string source, string? clause = null)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Given, symbol, value, unit, [new FormulaPart(source, default)], clause));
        }

        return value;
    }

    /// <summary>The same; the clause is composed only if the recorder records.</summary>
    public static double Let<T>(this ref T trace, string symbol, double value, Unit unit, Formula<T> formula, Formula<T> clause)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Formula, symbol, value, unit, formula.Parts, clause.Text));
        }

        return value;
    }

    /// <summary>The same; the clause is composed only if the recorder records.</summary>
    public static double Empirical<T>(this ref T trace, string symbol, double value, Unit unit, Formula<T> formula, Formula<T> clause)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Empirical, symbol, value, unit, formula.Parts, clause.Text));
        }

        return value;
    }

    /// <summary>The same; the clause is composed only if the recorder records.</summary>
    public static double Given<T>(this ref T trace, string symbol, double value, Unit unit, string source, Formula<T> clause)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Given, symbol, value, unit, [new FormulaPart(source, default)], clause.Text));
        }

        return value;
    }

    /// <summary>The same; the source is composed only if the recorder records.</summary>
    public static double Given<T>(this ref T trace, string symbol, double value, Unit unit, Formula<T> source, string? clause = null)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Given, symbol, value, unit, [new FormulaPart(source.Text, default)], clause));
        }

        return value;
    }

    /// <summary>The same; source and clause are composed only if the recorder records.</summary>
    public static double Given<T>(this ref T trace, string symbol, double value, Unit unit, Formula<T> source, Formula<T> clause)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Given, symbol, value, unit, [new FormulaPart(source.Text, default)], clause.Text));
        }

        return value;
    }

    /// <summary>Records a heading.</summary>
    public static void Heading<T>(this ref T trace, string text)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Heading, text, 0, Unit.Ratio, [], null));
        }
    }

    /// <summary>Records a heading; nothing of it is composed unless the recorder records.</summary>
    public static void Heading<T>(this ref T trace, Formula<T> text)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Heading, text.Text, 0, Unit.Ratio, [], null));
        }
    }

    /// <summary>Records a remark.</summary>
    public static void Remark<T>(this ref T trace, string text)
        where T : struct, ITrace
    {
        if (T.Records)
        {
            trace.Add(new TraceStep(TraceKind.Remark, text, 0, Unit.Ratio, [], null));
        }
    }
}
