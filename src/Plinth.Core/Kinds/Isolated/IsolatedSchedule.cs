using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Schedules;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>The schedule of isolated footings.</summary>
internal static class IsolatedSchedule
{
    public const string Name = "Footings";

    /// <summary>The schedule of isolated footings.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var units = project.Units;
        TableColumn Text(string title, int width) => new(title, "", null, width);
        var us = units == UnitSystem.Us;
        TableColumn Number(string title, Unit unit, int decimals, int width) => new(title, unit.Symbol(units), decimals, width);
        TableColumn Plan(string title, int width) =>
            Number(title, Unit.Length, us ? 2 : 3, width) with { Form = us ? ColumnForm.Feet : ColumnForm.Decimals };
        var standing = rows.Any(r => r.Design.HasPedestal);
        List<TableColumn> columns =
        [
            Text("mark", 7), Text("supports", 18), new("number off", "", 0, 8),
            Plan("length", 9), Plan("width", 9),
            Number("thickness", Unit.Section, us ? 1 : 0, 10) with { Form = us ? ColumnForm.Inches : ColumnForm.Decimals },
            Plan(Wording.Underside(units), 10),
            Text("bottom B1", 16), Text("bottom B2", 16), Text("top T1", 14), Text("top T2", 14), Text("dowels", 12),
            .. standing ? (TableColumn[])[Text("pedestal", 22), Text("pedestal bars", 12), Text("ties", 14)] : [],
            Number("concrete each", Unit.Volume, 3, 10), Number("steel each", Unit.Mass, 1, 9),
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
                row.Mark, ScheduleCells.Places(row), row.NumberOff,
                ScheduleTables.In(Unit.Length, row.Size.Length, units), ScheduleTables.In(Unit.Length, row.Size.Width, units),
                ScheduleTables.In(Unit.Section, row.Size.Thickness, units), ScheduleTables.In(Unit.Length, row.Underside, units),
                Layer(design.BottomX, design.BottomY, true), Layer(design.BottomX, design.BottomY, false),
                Layer(design.TopX, design.TopY, true), Layer(design.TopX, design.TopY, false),
                design.Dowels.Size is null ? "—" : design.Dowels.Drawn,
                .. standing
                    ? (object?[])[design.Pedestal is { } p ? ScheduleTables.Words(p, units) : "—", design.Pedestal?.Bars.Drawn ?? "—",
                        design.Pedestal is { } q ? q.Ties.Drawn + (q.Socket is null ? "" : " in pairs") : "—"]
                    : [],
                ScheduleTables.In(Unit.Volume, row.Each.Concrete, units), ScheduleTables.In(Unit.Mass, row.Each.Steel, units),
            ];
        }).ToList();
        return new DataTable(Name, "Footing schedule", columns, cells, null,
            [us
                ? "B1, T1: outermost layer, B2, T2: the layer within it."
                : "B1, T1: outermost layer, B2, T2: the layer within it. Underside: level of the founding plane, above the blinding.",
                .. ScheduleCells.Existing(project, rows)]);
    }
}
