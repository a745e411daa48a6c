using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Schedules;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>The schedule of combined footings: bars by band and zone.</summary>
internal static class CombinedSchedule
{
    public const string Name = "Combined";

    /// <summary>A row a footing; what belongs to one column is said of each.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var units = project.Units;
        var us = units == UnitSystem.Us;
        TableColumn Text(string title, int width) => new(title, "", null, width);
        TableColumn Number(string title, Unit unit, int decimals, int width) => new(title, unit.Symbol(units), decimals, width);
        TableColumn Plan(string title, int width) =>
            Number(title, Unit.Length, us ? 2 : 3, width) with { Form = us ? ColumnForm.Feet : ColumnForm.Decimals };
        var (tapers, standing) = (rows.Any(r => r.Design.EndWidth != r.Size.Width), rows.Any(r => r.Design.HasPedestal));
        List<TableColumn> columns =
        [
            Text("mark", 7), Text("supports", 18), new("number off", "", 0, 8),
            Plan("length", 9), Plan(tapers ? "width at −x" : "width", 9), .. tapers ? (TableColumn[])[Plan("width at +x", 9)] : [],
            Number("thickness", Unit.Section, us ? 1 : 0, 10) with { Form = us ? ColumnForm.Inches : ColumnForm.Decimals },
            Plan(Wording.Underside(units), 10),
            Text("bottom along x", 14), Text("bottom across at columns", 26), Text("bottom across between", 14), Text("top along x", 14),
            Text("top across", 14), Text("dowels", 20), .. standing ? (TableColumn[])[Text("pedestals", 34)] : [],
            Number("concrete each", Unit.Volume, 3, 10), Number("steel each", Unit.Mass, 1, 9),
        ];
        static string Bars(BarSpec bars) => bars.Size is null ? "—" : bars.Drawn;
        var cells = rows.Select(row =>
        {
            var d = (CombinedDesign)row.Design;
            string Each(Func<ColumnDesign, string> words) =>
                string.Join("; ",
                    d.At.Select(a => (a.Label, Words: words(a)))
                        .Where(a => a.Words.Length > 0)
                        .GroupBy(a => a.Words)
                        .Select(g => g.Count() == d.At.Length && d.At.Length > 1
                            ? $"{g.Key} at each"
                            : $"{string.Join(", ", g.Select(a => a.Label))}: {g.Key}")
                        .DefaultIfEmpty("—"));
            return (IReadOnlyList<object?>)
            [
                row.Mark, ScheduleCells.Places(row), row.NumberOff,
                ScheduleTables.In(Unit.Length, row.Size.Length, units), ScheduleTables.In(Unit.Length, row.Size.Width, units),
                .. tapers ? (object?[])[ScheduleTables.In(Unit.Length, d.HighWidth, units)] : [],
                ScheduleTables.In(Unit.Section, row.Size.Thickness, units), ScheduleTables.In(Unit.Length, row.Underside, units),
                Bars(d.BottomX), Each(a => a.Band.Size is null ? "" : a.Band.Drawn), Bars(d.Rest), Bars(d.TopX), Bars(d.TopY),
                Each(a => a.Upright.Dowels.Size is null ? "" : a.Upright.Dowels.Drawn),
                .. standing
                    ? (object?[])[Each(a => a.Upright.Pedestal is { } p
                        ? $"{ScheduleTables.Words(p, units)}, {p.Bars.Drawn}, {p.Ties.Drawn}"
                        : "")]
                    : [],
                ScheduleTables.In(Unit.Volume, row.Each.Concrete, units), ScheduleTables.In(Unit.Mass, row.Each.Steel, units),
            ];
        }).ToList();
        return new DataTable(Name, "Combined footings", columns, cells, null,
        [
            "x: from the first support towards the last; across: along y. Bars at columns stand within their bands, those between "
                + "them elsewhere" + (us ? "." : ". Underside: level of the founding plane, above the blinding."),
            .. ScheduleCells.Existing(project, rows),
        ]);
    }
}
