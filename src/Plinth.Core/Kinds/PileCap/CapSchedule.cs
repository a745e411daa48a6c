using Plinth.Core.Buildings;
using Plinth.Core.Piles;
using Plinth.Core.Schedules;
using static Plinth.Core.Schedules.ScheduleColumns;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>The schedule of pile caps.</summary>
internal static class CapSchedule
{
    public const string Name = "Pile caps";

    /// <summary>A row a cap.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var (units, c) = (project.Units, new ScheduleColumns(project.Units));
        var (top, standing) = (rows.Any(r => r.Design.HasTop), rows.Any(r => r.Design.HasPedestal));
        var sides = rows.Any(r => r.Design.SideBars.Size is not null);
        List<TableColumn> columns =
        [
            .. Beginning,
            Text("layout", rows.Any(r => r.Design.OutlineName.Length > 0) ? 18 : 8), new("piles each", "", 0, 7), Text("piles", 14),
            c.Side("pitch", 8),
            c.Plan("length", 9), c.Plan("width", 9), c.Side("thickness", 10), c.Plan(Wording.Underside(units), 10),
            Text("bottom along x", 14), Text("bottom along y", 14),
            .. top ? (TableColumn[])[Text("top along x", 14), Text("top along y", 14)] : [],
            .. sides ? (TableColumn[])[Text("sides", 14)] : [], Text("dowels", 16),
            .. standing ? (TableColumn[])[Text("pedestals", 30)] : [], .. c.End,
        ];
        var cells = rows.Select(row =>
        {
            var d = (CapDesign)row.Design;
            string[] labels = [.. d.At.Select(a => a.Label)];
            return (IReadOnlyList<object?>)
            [
                .. BeginningOf(row),
                (d.Own.IsEmpty ? d.Layout : "own places") + (d.OutlineName.Length == 0 ? "" : $", {d.OutlineName}")
                    + (d.Turns == 0 ? "" : $" turned {90 * d.Turns}°"), d.Piles.Length, PileWords.Of(row.Foundation.Rules.Piles, units),
                d.Piles.Length > 1 ? c.Side(PileLayout.Nearest(d.Piles.AsSpan())) : null,
                c.Plan(row.Size.Length), c.Plan(row.Size.Width),
                c.Side(row.Size.Thickness), c.Plan(row.Underside),
                Bars(d.BottomX), Bars(d.BottomY), .. top ? (object?[])[Bars(d.TopX), Bars(d.TopY)] : [],
                .. sides ? (object?[])[Bars(d.Sides)] : [],
                Dowels(d, labels),
                .. standing ? (object?[])[c.Pedestals(d, labels)] : [],
                .. c.EndOf(row),
            ];
        }).ToList();
        var notes = new ScheduleNotes(project, rows).InFull("Piles: number, section and size; pitch: least distance of their centres.")
            .Both("Concrete and steel of the cap.");
        if (rows.Any(r => r.Design.OutlineName.Length > 0))
        {
            notes.Both("Hexagon: a triangle with its corners cut, its edges all at one distance from the piles; length and width are those "
                + "of the rectangle round it.");
        }

        notes.Levels();
        return new DataTable(Name, "Pile caps", columns, cells, null, notes.Issued) { Brief = notes.Brief };
    }
}
