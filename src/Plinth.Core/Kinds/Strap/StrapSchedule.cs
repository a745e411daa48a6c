using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using static Plinth.Core.Schedules.ScheduleColumns;

namespace Plinth.Core.Kinds.Strap;

/// <summary>The schedule of strap footings: both bases, then the beam.</summary>
internal static class StrapSchedule
{
    public const string Name = "Straps";

    /// <summary>A row a footing.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var (units, c) = (project.Units, new ScheduleColumns(project.Units));
        var (tops, standing, sides) = (rows.Any(r => Tops((StrapDesign)r.Design)), rows.Any(r => r.Design.HasPedestal),
            rows.Any(r => ((StrapDesign)r.Design).Beam.Sides.Size is not null));
        TableColumn[] Base(string part) =>
        [
            c.Plan($"{part} length", 10), c.Plan($"{part} width", 10), c.Side($"{part} thickness", 10), Text($"{part} bottom along x", 14),
            Text($"{part} bottom across", 14),
            .. tops ? (TableColumn[])[Text($"{part} top along x", 14), Text($"{part} top across", 14)] : [],
        ];
        object?[] BaseOf(StrapBase b) =>
        [
            c.Plan(b.Length), c.Plan(b.Width), c.Side(b.Thickness), Bars(b.BottomX), Bars(b.BottomY),
            .. tops ? (object?[])[Bars(b.TopX), Bars(b.TopY)] : [],
        ];
        List<TableColumn> columns =
        [
            .. Beginning, .. Base("edge"), .. Base("inner"),
            c.Side("beam width", 8), c.Side("beam depth", 8), c.Side("beam over underside", 10),
            c.Plan("beam length", 9), Text("beam top", 12),
            Text("beam bottom", 12), Text("stirrups", 16), .. sides ? (TableColumn[])[Text("sides, each", 10)] : [],
            c.Plan(Wording.Underside(units), 10), Text("dowels", 20), .. standing ? (TableColumn[])[Text("pedestals", 34)] : [],
            .. c.End,
        ];
        var cells = rows.Select(row =>
        {
            var d = (StrapDesign)row.Design;
            string[] labels = [.. d.At.Select(a => a.Label)];
            var place = StrapPlace.Of(row.Foundation.Held, row.Foundation.Places[0], d);
            return (IReadOnlyList<object?>)
            [
                .. BeginningOf(row), .. BaseOf(d.Edge), .. BaseOf(d.Inner),
                c.Side(d.Beam.Width), c.Side(d.Beam.Depth), c.Side(d.Beam.Gap), c.Plan(place.BeamTo - place.EdgeFrom), Bars(d.Beam.Top),
                Bars(d.Beam.Bottom), Bars(d.Beam.Stirrups), .. sides ? (object?[])[Bars(d.Beam.Sides)] : [],
                c.Plan(row.Underside), Dowels(d, labels, " at each"),
                .. standing ? (object?[])[c.Pedestals(d, labels, " at each")] : [],
                .. c.EndOf(row),
            ];
        }).ToList();
        var notes = new ScheduleNotes(project, rows).Both("x: from the edge column towards the inner one.").InFull("Across: along y.")
            .Both("The beam begins with the edge base, clear of the ground between both bases; stirrups are closed, of two legs.").Levels();
        return new DataTable(Name, "Strap footings", columns, cells, null, notes.Issued) { Brief = notes.Brief };
    }

    private static bool Tops(StrapDesign d) =>
        d.Edge.TopX.Size is not null || d.Edge.TopY.Size is not null || d.Inner.TopX.Size is not null || d.Inner.TopY.Size is not null;
}
