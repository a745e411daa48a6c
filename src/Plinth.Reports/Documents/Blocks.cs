using Plinth.Core.Tracing;
using Plinth.Drawing.Sheets;

namespace Plinth.Reports.Documents;

/// <summary>What a text or a cell says of what passes and fails; it is always said in words too.</summary>
public enum Tone
{
    /// <summary>Neither.</summary>
    Plain,

    /// <summary>Of less weight.</summary>
    Quiet,

    /// <summary>Of more weight.</summary>
    Strong,

    /// <summary>Passes.</summary>
    Pass,

    /// <summary>Fails.</summary>
    Fail,

    /// <summary>Passes by the engineer's leave.</summary>
    Leave,
}

/// <summary>A part of a document.</summary>
public abstract record Block;

/// <summary>A heading.</summary>
/// <param name="Level">1: a chapter, 2: a part of it, 3: a part of that.</param>
/// <param name="Text">Its text.</param>
/// <param name="Anchor">Its name for links; empty: none.</param>
/// <param name="NewPage">Whether it begins a page.</param>
public sealed record Heading(int Level, string Text, string Anchor = "", bool NewPage = false) : Block;

/// <summary>A paragraph.</summary>
/// <param name="Text">Its text.</param>
/// <param name="Tone">What it says.</param>
public sealed record Paragraph(string Text, Tone Tone = Tone.Plain) : Block;

/// <summary>A cell of a table.</summary>
/// <param name="Text">Its text.</param>
/// <param name="Tone">What it says.</param>
/// <param name="Link">Anchor to which it leads; null: none.</param>
public readonly record struct Cell(string Text, Tone Tone = Tone.Plain, string? Link = null);

/// <summary>A column of a table.</summary>
/// <param name="Title">Its heading.</param>
/// <param name="Number">Whether it holds numbers, on the right.</param>
public readonly record struct Column(string Title, bool Number = false);

/// <summary>A table.</summary>
/// <param name="Caption">Its caption; empty: none.</param>
/// <param name="Columns">Its columns.</param>
/// <param name="Rows">Its rows.</param>
/// <param name="Sorts">Whether a reader may sort and filter it, where the format can.</param>
public sealed record Table(string Caption, IReadOnlyList<Column> Columns, IReadOnlyList<IReadOnlyList<Cell>> Rows, bool Sorts = false)
    : Block;

/// <summary>A step of a calculation in the units of display.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Symbol">What gets the value; the text of a heading or remark.</param>
/// <param name="Formula">The formula, or the source of a given value.</param>
/// <param name="Substituted">The formula with its values; empty where there is none.</param>
/// <param name="Result">The value with its unit.</param>
/// <param name="Clause">Where it stands; empty for statics.</param>
public readonly record struct CalculationStep(TraceKind Kind, string Symbol, string Formula, string Substituted, string Result,
    string Clause);

/// <summary>The steps of a calculation.</summary>
/// <param name="List">The steps.</param>
public sealed record Steps(IReadOnlyList<CalculationStep> List) : Block;

/// <summary>Figures side by side.</summary>
/// <param name="Figures">The figures; each has its title as caption.</param>
public sealed record FigureRow(IReadOnlyList<Figure> Figures) : Block;
