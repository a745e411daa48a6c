using System.Globalization;
using Plinth.Core.Units;

namespace Plinth.Core.Schedules;

/// <summary>How the numbers of a column are shown to people; files of data hold them as they are.</summary>
public enum ColumnForm
{
    /// <summary>As decimals in the unit of the heading.</summary>
    Decimals,

    /// <summary>Feet, shown as 9'-0".</summary>
    Feet,

    /// <summary>Inches, shown as 16".</summary>
    Inches,

    /// <summary>Inches, shown as 10" or 4'-6".</summary>
    Bar,
}

/// <summary>A column of a table that is issued.</summary>
/// <param name="Title">Its heading, without the unit.</param>
/// <param name="UnitSymbol">Its unit; empty for texts and plain numbers.</param>
/// <param name="Decimals">Decimals of its numbers; null: texts.</param>
/// <param name="Width">Its width in characters, for print.</param>
public sealed record TableColumn(string Title, string UnitSymbol, int? Decimals, int Width)
{
    /// <summary>How its numbers are shown.</summary>
    public ColumnForm Form { get; init; }

    /// <summary>Heading with unit, over numbers: "thickness (mm)".</summary>
    public string Heading => UnitSymbol.Length == 0 ? Title : $"{Title} ({UnitSymbol})";

    /// <summary>Heading for people: without the unit where each size bears its own marks.</summary>
    public string Shown => Form == ColumnForm.Decimals ? Heading : Title;

    /// <summary>A cell as people read it; empty for null.</summary>
    /// <param name="value">A string, a double in the column's unit, an int, or null.</param>
    public string Words(object? value) => value switch
    {
        double feet when Form == ColumnForm.Feet => Dimension.Feet(feet * 0.3048),
        double inches when Form == ColumnForm.Inches => Dimension.Inches(inches * 0.0254),
        double inches when Form == ColumnForm.Bar => Dimension.Bar(inches * 0.0254),
        double number =>
            Math.Round(number, Decimals ?? 2)
                .ToString("F" + (Decimals ?? 2).ToString(CultureInfo.InvariantCulture), CultureInfo.InvariantCulture).Replace('-', '−'),
        int count => count.ToString(CultureInfo.InvariantCulture),
        _ => value as string ?? "",
    };
}

/// <summary>A table that is issued: texts and numbers in the units of their columns, so that every format shows the same.</summary>
/// <param name="Name">Its name: "Footings".</param>
/// <param name="Title">Its title: "Footing schedule".</param>
/// <param name="Columns">Columns.</param>
/// <param name="Rows">Cells: a string, a double, an int, or null for an empty one.</param>
/// <param name="Total">The last row, of totals; null: none.</param>
/// <param name="Notes">What must be known to read it.</param>
public sealed record DataTable(string Name, string Title, IReadOnlyList<TableColumn> Columns, IReadOnlyList<IReadOnlyList<object?>> Rows,
    IReadOnlyList<object?>? Total, IReadOnlyList<string> Notes)
{
    /// <summary>What must be known to read its brief form on a screen.</summary>
    public IReadOnlyList<string> Brief { get; init; } = Notes;

    /// <summary>The columns in which some row says something.</summary>
    public IReadOnlyList<int> Filled => [.. Enumerable.Range(0, Columns.Count).Where(c => Rows.Any(r => r[c] is not (null or "" or "—")))];
}
