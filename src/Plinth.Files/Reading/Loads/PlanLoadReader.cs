using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [[foundation.load]]: vertical loads on a base beside its column.</summary>
internal static class PlanLoadReader
{
    private static readonly (string Key, Measure Measure)[] Values = [("point", Measure.Force), ("line", Measure.LineLoad),
        ("area", Measure.Pressure)];

    /// <summary>Reads them, each with the row of a grid that carries it, from 0.</summary>
    /// <param name="tables">The loads.</param>
    /// <param name="cases">The cases of the project.</param>
    /// <param name="rows">How many rows the grid has; 0: it is none.</param>
    /// <param name="bag">Receives what is wrong.</param>
    public static IReadOnlyList<(PlanLoad Load, int Row)> Read(IReadOnlyList<TableReader> tables, IReadOnlyList<LoadCase> cases, int rows,
        DiagnosticBag bag)
    {
        var result = new List<(PlanLoad, int)>();
        foreach (var t in tables)
        {
            var row = rows > 0 ? Row(t, rows) : 0;
            var name = t.Text("case");
            var k = name is null ? -1 : cases.ToList().FindIndex(c => c.Name == name);
            if (name is null)
            {
                t.Missing("case", "\"LIVE\"");
            }
            else if (k < 0)
            {
                var near = Nearest.Of(name, cases.Select(c => c.Name));
                t.Fault("case", $"there is no case \"{name}\" in [cases]" + (near is null ? "" : $"; did you mean \"{near}\"?"));
            }

            var given = Values.Where(v => t.Has(v.Key)).ToList();
            if (given.Count != 1)
            {
                bag.Error(t.Place,
                    "[[foundation.load]] needs one of point, line and area; write for example point = \"50 kN\", line = \"12 kN/m\" or "
                        + "area = \"5 kPa\", downwards");
                t.Done();
                continue;
            }

            var value = t.QuantityOrNull(given[0].Key, given[0].Measure, Sign.Any);
            var (at, from, to) = (Point(t, "at"), Point(t, "from"), Point(t, "to"));
            PlanLoad? load = (given[0].Key, at, from, to) switch
            {
                ("point", { } p, null, null) => new PlanLoad(k, PlanLoadShape.Point, value ?? 0, p.X, p.Y, p.X, p.Y),
                ("line", null, { } a, { } b) when a != b => new PlanLoad(k, PlanLoadShape.Line, value ?? 0, a.X, a.Y, b.X, b.Y),
                ("area", null, { } a, { } b) when a.X != b.X && a.Y != b.Y =>
                    new PlanLoad(k, PlanLoadShape.Rectangle, value ?? 0, a.X, a.Y, b.X, b.Y),
                ("area", null, null, null) when !t.Has("from") && !t.Has("to") =>
                    new PlanLoad(k, PlanLoadShape.WholeBase, value ?? 0, 0, 0, 0, 0),
                _ => null,
            };
            if (load is null)
            {
                bag.Error(t.PlaceOf(given[0].Key), given[0].Key switch
                {
                    "point" =>
                        "a point load stands at a point from the column's centre, along the base's axes; write for example at = [\"0.5 "
                            + "m\", \"0 m\"]",
                    "line" =>
                        "a line load runs between two points from the column's centre, along the base's axes; write for example from = "
                            + "[\"-1 m\", \"0.5 m\"], to = [\"1 m\", \"0.5 m\"]",
                    _ =>
                        "an area load lies over the whole base, or between two corners from the column's centre; write for example from = "
                            + "[\"-1 m\", \"0 m\"], to = [\"1 m\", \"1 m\"], or neither",
                });
            }
            else if (k >= 0 && value is not null && row is { } carries)
            {
                result.Add((load, carries));
            }

            t.Done();
        }

        return result;
    }

    // The row that carries it, as rows are counted; null: something is wrong with it.
    private static int? Row(TableReader t, int rows)
    {
        if (!t.Has("row"))
        {
            t.Missing("row", $"1, which of the {rows} rows of the grid carries it, counted as rows lists them");
            return null;
        }

        if (t.NumberOrNull("row", Sign.Positive) is not { } row)
        {
            return null;
        }

        if (row > rows || row != Math.Floor(row))
        {
            t.Fault("row", $"row = {row} is none of the {rows} rows of the grid; write 1 to {rows}");
            return null;
        }

        return (int)row - 1;
    }

    private static (double X, double Y)? Point(TableReader t, string key)
    {
        if (t.Node(key) is not { } node)
        {
            return null;
        }

        if (node.Value is List<TomlNode> { Count: 2 } list && t.Quantity(key, list[0], Measure.Length, Sign.Any) is { } x
            && t.Quantity(key, list[1], Measure.Length, Sign.Any) is { } y)
        {
            return (x, y);
        }

        if (node.Value is not List<TomlNode> { Count: 2 })
        {
            t.Fault(key, $"{key} is a point: x and y from the column's centre; write for example {key} = [\"0.5 m\", \"0 m\"]");
        }

        return null;
    }
}
