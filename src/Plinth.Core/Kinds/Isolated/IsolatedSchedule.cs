using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using static Plinth.Core.Schedules.ScheduleColumns;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>The schedule of isolated footings.</summary>
internal static class IsolatedSchedule
{
    public const string Name = "Footings";

    /// <summary>The schedule of isolated footings.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var (units, c) = (project.Units, new ScheduleColumns(project.Units));
        var standing = rows.Any(r => r.Design.HasPedestal);
        List<TableColumn> columns =
        [
            .. Beginning,
            c.Plan("length", 9), c.Plan("width", 9),
            c.Side("thickness", 10), c.Plan(Wording.Underside(units), 10),
            Text("bottom B1", 16), Text("bottom B2", 16), Text("top T1", 14), Text("top T2", 14), Text("dowels", 12),
            .. standing ? (TableColumn[])[Text("pedestal", 22), Text("pedestal bars", 12), Text("ties", 14)] : [],
            .. c.End,
        ];
        var cells = rows.Select(row =>
        {
            var rules = row.Foundation.Rules.Steel;
            var (x, y) = rules.OuterIsX(row.Size) ? ("along x", "along y") : ("along y", "along x");
            string Layer(BarSpec alongX, BarSpec alongY, bool outer)
            {
                var isX = outer == rules.OuterIsX(row.Size);
                var bars = isX ? alongX : alongY;
                return bars.Size is null ? "—" : $"{bars.Drawn} {(outer ? x : y)}";
            }

            var design = (IsolatedDesign)row.Design;
            return (IReadOnlyList<object?>)
            [
                .. BeginningOf(row),
                c.Plan(row.Size.Length), c.Plan(row.Size.Width),
                c.Side(row.Size.Thickness), c.Plan(row.Underside),
                Layer(design.BottomX, design.BottomY, true), Layer(design.BottomX, design.BottomY, false),
                Layer(design.TopX, design.TopY, true), Layer(design.TopX, design.TopY, false),
                Bars(design.Dowels),
                .. standing
                    ? (object?[])[design.Pedestal is { } p ? ScheduleTables.Words(p, units) : "—", design.Pedestal?.Bars.Drawn ?? "—",
                        design.Pedestal is { } q ? q.Ties.Drawn + (q.Socket is null ? "" : " in pairs") : "—"]
                    : [],
                .. c.EndOf(row),
            ];
        }).ToList();
        return new DataTable(Name, "Footing schedule", columns, cells, null,
            [units == UnitSystem.Us
                ? "B1, T1: outermost layer, B2, T2: the layer within it."
                : "B1, T1: outermost layer, B2, T2: the layer within it. Underside: level of the founding plane, above the blinding.",
                .. ScheduleCells.Existing(project, rows)]);
    }
}
