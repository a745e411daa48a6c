using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using static Plinth.Core.Schedules.ScheduleColumns;

namespace Plinth.Core.Kinds.Wall;

/// <summary>The schedule of wall footings: the base, then the wall where it is designed.</summary>
internal static class WallSchedule
{
    public const string Name = "Walls";

    /// <summary>A row a footing.</summary>
    public static DataTable Of(Project project, IReadOnlyList<FootingRow> rows)
    {
        var (units, c) = (project.Units, new ScheduleColumns(project.Units));
        var tops = rows.Any(r => r.Design.HasTop);
        var stems = rows.Any(r => ((WallDesign)r.Design).Stem.Soil.Size is not null);
        List<TableColumn> columns =
        [
            .. Beginning,
            c.Plan("length", 9), c.Plan("width", 9), c.Plan("to −y", 9), c.Plan("to +y", 9), c.Side("thickness", 10),
            c.Plan(Wording.Underside(units), 10), Text("bottom across", 15), Text("bottom along", 15),
            .. tops ? (TableColumn[])[Text("top across", 15), Text("top along", 15)] : [],
            c.Side("wall", 8),
            .. stems ? (TableColumn[])[Text("upright, soil's face", 16), Text("upright, other face", 16), Text("level", 16)] : [],
            .. c.End,
        ];
        var cells = rows.Select(row =>
        {
            var d = (WallDesign)row.Design;
            var wall = row.Foundation.Places[0].Support;
            var (low, high) = d.Edges.From(wall.SizeY, row.Foundation.Wall.Retained?.Side ?? 1);
            return (IReadOnlyList<object?>)
            [
                .. BeginningOf(row), c.Plan(row.Size.Length), c.Plan(row.Size.Width), c.Plan(low), c.Plan(high), c.Side(row.Size.Thickness),
                c.Plan(row.Underside), Bars(d.BottomY), Bars(d.BottomX), .. tops ? (object?[])[Bars(d.TopY), Bars(d.TopX)] : [],
                c.Side(wall.SizeY), .. stems ? (object?[])[Bars(d.Stem.Soil), Bars(d.Stem.Free), Bars(d.Stem.Level)] : [],
                .. c.EndOf(row),
            ];
        }).ToList();
        var notes = new ScheduleNotes(project, rows)
            .InFull("To −y, to +y: from the wall's centreline to the edges, right and left of the way from its first to its second end.")
            .Both("Bars across lie outermost.");
        if (stems)
        {
            notes.Both("Level bars lie in each layer of the wall, within the upright ones.").Both("Concrete and steel: with the wall.");
        }

        notes.Levels();
        return new DataTable(Name, "Wall footings", columns, cells, null, notes.Issued) { Brief = notes.Brief };
    }
}
