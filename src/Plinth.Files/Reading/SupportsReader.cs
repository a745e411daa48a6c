using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Tables;

namespace Plinth.Files.Reading;

/// <summary>Reads supports.csv.</summary>
internal static class SupportsReader
{
    // As long as drawings and tables can show.
    private const int LongestLabel = 200;

    private enum Col
    {
        Support, X, Y, Level, Shape, Cx, Cy, PlateX, PlateY, Angle, Ground, Grid, X2, Y2,
    }

    private static readonly CsvColumn[] Columns =
    [
        new("support", null, true), new("x", Measure.Length, true), new("y", Measure.Length, true), new("level", Measure.Length),
        new("shape", null), new("cx", Measure.Length), new("cy", Measure.Length),
        new("plate-x", Measure.Length), new("plate-y", Measure.Length), new("angle", Measure.Angle), new("ground", null), new("grid", null),
        new("x2", Measure.Length), new("y2", Measure.Length),
    ];

    /// <summary>Reads the supports with the place of each.</summary>
    /// <param name="text">The content.</param>
    /// <param name="name">The file's name in messages.</param>
    /// <param name="grounds">Names of grounds that rows may use.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <param name="labels">All labels of the file, also of rows with faults: what names them elsewhere is no fault of its own.</param>
    public static List<(Support Support, FilePlace Place)> Read(string text, string name, ISet<string> grounds, DiagnosticBag bag,
        out IReadOnlyCollection<string> labels)
    {
        var seen = new Dictionary<string, FilePlace>(StringComparer.Ordinal);
        labels = seen.Keys;
        var result = new List<(Support, FilePlace)>();
        using var table = CsvTable.Open(text, name, Columns, bag);
        if (table is null)
        {
            return result;
        }

        while (table.Next())
        {
            var label = table.Text((int)Col.Support).ToString();
            var place = table.Place((int)Col.Support);
            if (!Label(label, "support", place, bag))
            {
                continue;
            }

            if (!seen.TryAdd(label, place))
            {
                table.Error((int)Col.Support, $"support \"{label}\" stands twice: first at {seen[label]}; labels must differ");
                continue;
            }

            if (One(table, label, grounds) is { } support)
            {
                result.Add((support, place));
            }
        }

        if (seen.Count == 0 && !bag.HasErrors)
        {
            bag.Error(new FilePlace(name, 0, 0), "names no support; add a row for each column base");
        }

        return result;
    }

    /// <summary>Whether both ends of a wall lie at one point, to a millimetre.</summary>
    public static bool NoLength(double x, double y, double x2, double y2) => Math.Abs(x2 - x) + Math.Abs(y2 - y) < 1e-3;

    /// <summary>Whether a label may be used: not empty, no control characters.</summary>
    public static bool Label(string label, string what, FilePlace place, DiagnosticBag bag)
    {
        if (label.Length == 0)
        {
            bag.Error(place, $"the {what} has no label; give it one");
            return false;
        }

        if (label.Length > LongestLabel)
        {
            bag.Error(place,
                string.Create(System.Globalization.CultureInfo.InvariantCulture,
                    $"the {what} \"{label[..20]}…\" has a label of {label.Length:#,0} characters; labels have up to {LongestLabel}"));
            return false;
        }

        if (label.Any(char.IsControl) || TextFile.FaultOf(label) is not null)
        {
            var shown = string.Concat(label.Select(c => char.IsControl(c) || TextFile.FaultOf(c.ToString()) is not null ? '?' : c));
            bag.Error(place, $"the {what} \"{shown}\" holds a control character; write it with letters, digits and signs");
            return false;
        }

        return true;
    }

    private static string Size(ColumnShape shape) => shape switch
    {
        ColumnShape.Round => "its diameter in cx",
        ColumnShape.Wall => "its thickness in cx",
        _ => "cx and cy",
    };

    private static Support? One(CsvTable table, string label, ISet<string> grounds)
    {
        bool Bad(Col column, double value, bool zeroAllowed)
        {
            if (double.IsNaN(value))
            {
                return true;
            }

            if (value > Measure.MostSize)
            {
                table.Error((int)column,
                    string.Create(System.Globalization.CultureInfo.InvariantCulture,
                        $"{Columns[(int)column].Name} \"{table.Text((int)column)}\" of support \"{label}\" is beyond "
                            + $"{Measure.MostSize:#,0} m; look at its digits and at the unit in the header"));
                return true;
            }

            if (value < 0 || (value == 0 && !zeroAllowed))
            {
                table.Error((int)column,
                    $"{Columns[(int)column].Name} \"{table.Text((int)column)}\" of support \"{label}\" must be more than zero");
                return true;
            }

            return false;
        }

        var ok = true;
        double Coordinate(Col column)
        {
            var value = table.Number((int)column, double.PositiveInfinity);
            if (double.IsPositiveInfinity(value))
            {
                table.Error((int)column, $"support \"{label}\" has no {Columns[(int)column].Name}; give its position");
            }

            ok &= double.IsFinite(value);
            return value;
        }

        var (x, y) = (Coordinate(Col.X), Coordinate(Col.Y));
        double? level = table.Text((int)Col.Level).IsEmpty ? null : table.Number((int)Col.Level, 0);
        ok &= level is null || !double.IsNaN(level.Value);
        var shapeText = table.Text((int)Col.Shape).ToString();
        ColumnShape? shape = shapeText switch
        {
            "" or "rect" or "rectangular" or "rectangle" or "square" => ColumnShape.Rectangular,
            "round" or "circular" or "circle" => ColumnShape.Round,
            "steel" => ColumnShape.Steel,
            "masonry" => ColumnShape.Masonry,
            "wall" => ColumnShape.Wall,
            _ => null,
        };
        if (shapeText.Length == 0 && (!table.Text((int)Col.PlateX).IsEmpty || !table.Text((int)Col.PlateY).IsEmpty))
        {
            table.Warning((int)(table.Text((int)Col.PlateX).IsEmpty ? Col.PlateY : Col.PlateX),
                $"support \"{label}\" has a base plate and no shape: taken as a steel column; write shape steel");
            shape = ColumnShape.Steel;
        }

        if (shape is null)
        {
            table.Error((int)Col.Shape,
                $"shape \"{shapeText}\" is not known; it is rect, round, steel, masonry or wall");
            return null;
        }

        if (!table.Has((int)Col.Cx) || table.Text((int)Col.Cx).IsEmpty)
        {
            table.Error((int)(table.Has((int)Col.Cx) ? Col.Cx : Col.Support),
                $"support \"{label}\" has no column size; give {Size(shape.Value)}");
            return null;
        }

        var cx = table.Number((int)Col.Cx, 0);
        var cy = table.Number((int)Col.Cy, cx);
        var (px, py) = (table.Number((int)Col.PlateX, 0), table.Number((int)Col.PlateY, 0));
        var angle = table.Number((int)Col.Angle, 0);
        ok &= !Bad(Col.Cx, cx, false) & !Bad(Col.Cy, cy, false) & !Bad(Col.PlateX, px, true) & !Bad(Col.PlateY, py, true)
            & !double.IsNaN(angle);
        if (ok && shape == ColumnShape.Steel && (px < cx || py < cy))
        {
            table.Error((int)(table.Has((int)Col.PlateX) ? Col.PlateX : Col.Shape),
                $"the base plate of steel column \"{label}\" must be at least as large as the profile; give plate-x and plate-y");
            ok = false;
        }

        double x2 = 0, y2 = 0;
        if (shape == ColumnShape.Wall)
        {
            (x2, y2) = (Coordinate(Col.X2), Coordinate(Col.Y2));
            if (ok && NoLength(x, y, x2, y2))
            {
                table.Error((int)Col.X2, $"wall \"{label}\" has no length: both its ends lie at one point; mend x2 and y2");
                ok = false;
            }

            if (!table.Text((int)Col.Cy).IsEmpty)
            {
                table.Error((int)Col.Cy, $"wall \"{label}\" is cx thick and as long as its ends lie apart; leave its cy empty");
                ok = false;
            }

            if (!table.Text((int)Col.Angle).IsEmpty)
            {
                table.Error((int)Col.Angle, $"wall \"{label}\" lies from its first end to its second; leave its angle empty");
                ok = false;
            }
        }
        else if (!table.Text((int)Col.X2).IsEmpty || !table.Text((int)Col.Y2).IsEmpty)
        {
            table.Error((int)(table.Text((int)Col.X2).IsEmpty ? Col.Y2 : Col.X2),
                $"support \"{label}\" has a second end and is no wall; write shape wall, or leave x2 and y2 empty");
            ok = false;
        }

        var ground = table.Text((int)Col.Ground).ToString();
        if (ground.Length > 0 && !grounds.Contains(ground))
        {
            table.Error((int)Col.Ground,
                $"there is no [grounds.{ground}] in plinth.toml; "
                    + (Nearest.Of(ground, grounds) is { } near
                        ? $"did you mean \"{near}\"?"
                        : "write the table, or leave the cell empty for [ground]"));
            ok = false;
        }

        return ok && shape == ColumnShape.Wall
            ? Support.Wall(label, x, y, x2, y2, cx, level, ground, table.Text((int)Col.Grid).ToString())
            : ok
            ? new Support(label, x, y, level, shape.Value, cx, shape == ColumnShape.Round ? cx : cy, shape == ColumnShape.Steel ? px : 0,
                shape == ColumnShape.Steel ? py : 0, angle, ground, table.Text((int)Col.Grid).ToString())
            : null;
    }
}
