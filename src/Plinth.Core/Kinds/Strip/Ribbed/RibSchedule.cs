using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using static Plinth.Core.Schedules.ScheduleColumns;

namespace Plinth.Core.Kinds.Strip;

/// <summary>The schedule of strips with a rib.</summary>
internal static class RibSchedule
{
    public const string Name = "Ribbed-strips";

    /// <summary>A row a strip.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var (units, c) = (project.Units, new ScheduleColumns(project.Units));
        var (standing, sides, tops) = (rows.Any(r => r.Design.HasPedestal), rows.Any(r => ((RibDesign)r.Design).Rib.Sides.Size is not null),
            rows.Any(r => ((RibDesign)r.Design).TopY.Size is not null));
        bool Any(bool bottom) => rows.Any(r => ((RibDesign)r.Design).Extra.Of(bottom).Any(e => e.Any));
        var (over, between, closer) = (Any(true), Any(false), rows.Any(r => ((RibDesign)r.Design).Closer.Any));
        List<TableColumn> columns =
        [
            .. Beginning,
            c.Plan("length", 9), c.Plan("beyond first", 9), c.Plan("beyond last", 9), c.Plan("width", 9), c.Side("flange thickness", 10),
            c.Side("rib breadth", 8), c.Side("rib depth", 8), c.Plan(Wording.Underside(units), 10),
            Text("rib bottom", 12), .. over ? (TableColumn[])[Text("extra over columns", 26)] : [],
            Text("rib top", 12), .. between ? (TableColumn[])[Text("extra in bays", 26)] : [], Text("stirrups", 16),
            .. closer ? (TableColumn[])[Text("closer at columns", 26)] : [],
            .. sides ? (TableColumn[])[Text("sides, each", 10)] : [],
            Text("flange along, each side", 14), Text("bottom across", 14), .. tops ? (TableColumn[])[Text("top across", 14)] : [],
            Text("dowels", 20), .. standing ? (TableColumn[])[Text("pedestals", 34)] : [],
            .. c.End,
        ];
        var cells = rows.Select(row =>
        {
            var d = (RibDesign)row.Design;
            string[] labels = [.. d.At.Select(a => a.Label)];
            return (IReadOnlyList<object?>)
            [
                .. BeginningOf(row),
                c.Plan(row.Size.Length), c.Plan(d.Ends.Low), c.Plan(d.Ends.High), c.Plan(row.Size.Width), c.Side(row.Size.Thickness),
                c.Side(d.Rib.Width), c.Side(d.Rib.Depth), c.Plan(row.Underside),
                Bars(d.Rib.Bottom), .. over ? (object?[])[c.Extra(d.Extra, true, labels, " at each")] : [],
                Bars(d.Rib.Top), .. between ? (object?[])[c.Extra(d.Extra, false, labels, " in each")] : [],
                Bars(d.Rib.Stirrups), .. closer ? (object?[])[c.Closer(d.Closer, labels, " at each")] : [],
                .. sides ? (object?[])[Bars(d.Rib.Sides)] : [],
                Bars(d.Flange), Bars(d.BottomY), .. tops ? (object?[])[Bars(d.TopY)] : [],
                Dowels(d, labels, " at each"), .. standing ? (object?[])[c.Pedestals(d, labels, " at each")] : [],
                .. c.EndOf(row),
            ];
        }).ToList();
        var notes = new ScheduleNotes(project, rows).Both("x: from the first support towards the last.")
            .InFull("Beyond first, beyond last: from the columns' centres; across: along y.")
            .Both("The rib's depth counts from the underside; stirrups are closed, of two legs.")
            .BothIf(closer, "Closer stirrups reach as said from the columns' centres.")
            .BothIf(over || between, "Extra bars lie between those that run through; they reach as said from the columns' centres.")
            .Levels();
        return new DataTable(Name, "Strip footings with ribs", columns, cells, null, notes.Issued) { Brief = notes.Brief };
    }
}
