using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Piles;
using Plinth.Core.Schedules;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>The schedule of pile caps.</summary>
internal static class CapSchedule
{
    public const string Name = "Pile caps";

    /// <summary>A row a cap.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var units = project.Units;
        var us = units == UnitSystem.Us;
        TableColumn Text(string title, int width) => new(title, "", null, width);
        TableColumn Number(string title, Unit unit, int decimals, int width) => new(title, unit.Symbol(units), decimals, width);
        TableColumn Plan(string title, int width) =>
            Number(title, Unit.Length, us ? 2 : 3, width) with { Form = us ? ColumnForm.Feet : ColumnForm.Decimals };
        TableColumn Side(string title, int width) =>
            Number(title, Unit.Section, us ? 1 : 0, width) with { Form = us ? ColumnForm.Inches : ColumnForm.Decimals };
        var (top, standing) = (rows.Any(r => r.Design.HasTop), rows.Any(r => r.Design.HasPedestal));
        List<TableColumn> columns =
        [
            Text("mark", 7), Text("supports", 18), new("number off", "", 0, 8),
            Text("layout", rows.Any(r => r.Design.OutlineName.Length > 0) ? 18 : 8), new("piles each", "", 0, 7), Text("piles", 14),
            Side("pitch", 8),
            Plan("length", 9), Plan("width", 9), Side("thickness", 10), Plan(Wording.Underside(units), 10),
            Text("bottom along x", 14), Text("bottom along y", 14),
            .. top ? (TableColumn[])[Text("top along x", 14), Text("top along y", 14)] : [],
            .. rows.Any(r => ((CapDesign)r.Design).Sides.Size is not null) ? (TableColumn[])[Text("sides", 14)] : [], Text("dowels", 16),
            .. standing ? (TableColumn[])[Text("pedestals", 30)] : [], Number("concrete each", Unit.Volume, 3, 10),
            Number("steel each", Unit.Mass, 1, 9),
        ];
        static string Bars(BarSpec bars) => bars.Size is null ? "—" : bars.Drawn;
        var cells = rows.Select(row =>
        {
            var d = (CapDesign)row.Design;
            string Each(Func<CapColumn, string> words) =>
                string.Join("; ",
                    d.At.Select(a => (a.Label, Words: words(a)))
                        .Where(a => a.Words.Length > 0)
                        .GroupBy(a => a.Words)
                        .Select(g => g.Count() == d.At.Length ? g.Key : $"{string.Join(", ", g.Select(a => a.Label))}: {g.Key}")
                        .DefaultIfEmpty("—"));
            return (IReadOnlyList<object?>)
            [
                row.Mark, ScheduleCells.Places(row), row.NumberOff,
                (d.Own.IsEmpty ? d.Layout : "own places") + (d.OutlineName.Length == 0 ? "" : $", {d.OutlineName}")
                    + (d.Turns == 0 ? "" : $" turned {90 * d.Turns}°"), d.Piles.Length, PileWords.Of(row.Foundation.Rules.Piles, units),
                d.Piles.Length > 1 ? ScheduleTables.In(Unit.Section, PileLayout.Nearest(d.Piles.AsSpan()), units) : null,
                ScheduleTables.In(Unit.Length, row.Size.Length, units), ScheduleTables.In(Unit.Length, row.Size.Width, units),
                ScheduleTables.In(Unit.Section, row.Size.Thickness, units), ScheduleTables.In(Unit.Length, row.Underside, units),
                Bars(d.BottomX), Bars(d.BottomY), .. top ? (object?[])[Bars(d.TopX), Bars(d.TopY)] : [],
                .. rows.Any(r => ((CapDesign)r.Design).Sides.Size is not null) ? (object?[])[Bars(d.Sides)] : [],
                Each(a => a.Upright.Dowels.Size is null ? "" : a.Upright.Dowels.Drawn),
                .. standing
                    ? (object?[])[Each(a => a.Upright.Pedestal is { } p
                        ? $"{ScheduleTables.Words(p, units)}, {p.Bars.Drawn}, {p.Ties.Drawn}"
                        : "")]
                    : [],
                ScheduleTables.In(Unit.Volume, row.Each.Concrete, units), ScheduleTables.In(Unit.Mass, row.Each.Steel, units),
            ];
        }).ToList();
        return new DataTable(Name, "Pile caps", columns, cells, null,
        [
            "Piles: number, section and size; pitch: least distance of their centres. Concrete and steel of the cap."
                + (rows.Any(r => r.Design.OutlineName.Length > 0)
                    ? " Hexagon: a triangle with its corners cut, its edges all at one distance from the piles; length and width are those "
                        + "of the rectangle round it."
                    : "") + (us ? "" : " Underside: level of the founding plane, above the blinding."),
            .. ScheduleCells.Existing(project, rows),
        ]);
    }
}
