using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using static Plinth.Core.Schedules.ScheduleColumns;

namespace Plinth.Core.Kinds.Strip;

/// <summary>The schedule of strip footings.</summary>
internal static class StripSchedule
{
    public const string Name = "Strips";

    private const string AtEach = " at each";

    /// <summary>A row a strip; what belongs to one column is said of each.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var (units, c) = (project.Units, new ScheduleColumns(project.Units));
        var standing = rows.Any(r => r.Design.HasPedestal);
        bool Any(bool bottom) => rows.Any(r => ((StripDesign)r.Design).Extra.Of(bottom).Any(e => e.Any));
        var (over, between) = (Any(true), Any(false));
        List<TableColumn> columns =
        [
            .. Beginning,
            c.Plan("length", 9), c.Plan("beyond first", 9), c.Plan("beyond last", 9), c.Plan("width", 9), c.Side("thickness", 10),
            c.Plan(Wording.Underside(units), 10),
            Text("bottom along x", 14), .. over ? (TableColumn[])[Text("extra over columns", 26)] : [],
            Text("bottom across at columns", 26), Text("bottom across between", 14), Text("top along x", 14),
            .. between ? (TableColumn[])[Text("extra in bays", 26)] : [], Text("top across", 14), Text("dowels", 20),
            .. standing ? (TableColumn[])[Text("pedestals", 34)] : [],
            .. c.End,
        ];
        var cells = rows.Select(row =>
        {
            var d = (StripDesign)row.Design;
            string[] labels = [.. d.At.Select(a => a.Label)];
            return (IReadOnlyList<object?>)
            [
                .. BeginningOf(row),
                c.Plan(row.Size.Length), c.Plan(d.Ends.Low), c.Plan(d.Ends.High), c.Plan(row.Size.Width),
                c.Side(row.Size.Thickness), c.Plan(row.Underside),
                Bars(d.BottomX), .. over ? (object?[])[c.Extra(d.Extra, true, labels, AtEach)] : [],
                Each(labels, i => d.At[i].Band.Size is null ? "" : d.At[i].Band.Drawn, AtEach),
                Bars(d.Rest), Bars(d.TopX), .. between ? (object?[])[c.Extra(d.Extra, false, labels, " in each")] : [],
                Bars(d.TopY),
                Dowels(d, labels, AtEach),
                .. standing ? (object?[])[c.Pedestals(d, labels, AtEach)] : [],
                .. c.EndOf(row),
            ];
        }).ToList();
        var notes = new ScheduleNotes(project, rows).Both("x: from the first support towards the last.")
            .InFull("Beyond first, beyond last: from the columns' centres; across: along y.")
            .Both("Bars at columns stand within their bands, those between them elsewhere.")
            .BothIf(over || between, "Extra bars lie between those that run through; they reach as said from the columns' centres.")
            .Levels();
        return new DataTable(Name, "Strip footings", columns, cells, null, notes.Issued) { Brief = notes.Brief };
    }
}
