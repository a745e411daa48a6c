namespace Plinth.Core.Schedules;

/// <summary>A column of a table that is issued.</summary>
/// <param name="Title">Its heading, without the unit.</param>
/// <param name="UnitSymbol">Its unit; empty for texts and plain numbers.</param>
/// <param name="Decimals">Decimals of its numbers; null: texts.</param>
/// <param name="Width">Its width in characters, for print.</param>
public sealed record TableColumn(string Title, string UnitSymbol, int? Decimals, int Width)
{
    /// <summary>Heading with unit: "thickness (mm)".</summary>
    public string Heading => UnitSymbol.Length == 0 ? Title : $"{Title} ({UnitSymbol})";
}

/// <summary>A table that is issued: texts and numbers in the units of their columns, so that every format shows the same.</summary>
/// <param name="Name">Its name: "Footings".</param>
/// <param name="Title">Its title: "Footing schedule".</param>
/// <param name="Columns">Columns.</param>
/// <param name="Rows">Cells: a string, a double, an int, or null for an empty one.</param>
/// <param name="Total">The last row, of totals; null: none.</param>
/// <param name="Notes">What must be known to read it.</param>
public sealed record DataTable(string Name, string Title, IReadOnlyList<TableColumn> Columns, IReadOnlyList<IReadOnlyList<object?>> Rows, IReadOnlyList<object?>? Total, IReadOnlyList<string> Notes);
