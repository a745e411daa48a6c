using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [[support]]: supports and their reactions typed by hand in plinth.toml, beside or in place of the tables.</summary>
internal static class TypedSupports
{
    /// <summary>Reads them.</summary>
    /// <param name="tables">The [[support]] tables.</param>
    /// <param name="cases">The cases; variants of an unsigned result stand beside each other.</param>
    /// <param name="grounds">Names of grounds.</param>
    /// <param name="asReaction">Whether values are reactions, or actions.</param>
    /// <param name="bag">Receives what is wrong.</param>
    public static List<(Support Support, FilePlace Place, SupportAction[] Actions)> Read(IReadOnlyList<TableReader> tables,
        IReadOnlyList<LoadCase> cases, ISet<string> grounds, bool asReaction, DiagnosticBag bag)
    {
        var result = new List<(Support, FilePlace, SupportAction[])>();
        foreach (var t in tables)
        {
            var label = t.Text("label")?.Trim();
            if (label is null && !t.Has("label"))
            {
                t.Missing("label", "\"C1\"");
            }

            if (label is null || !SupportsReader.Label(label, "support", t.PlaceOf("label"), bag))
            {
                t.Done();
                continue;
            }

            var shape = t.Choice<ColumnShape?>("shape", ColumnShape.Rectangular, ("rect", ColumnShape.Rectangular),
                ("round", ColumnShape.Round), ("steel", ColumnShape.Steel), ("masonry", ColumnShape.Masonry), ("wall", ColumnShape.Wall));
            shape = !t.Has("shape") && (t.Has("plate-x") || t.Has("plate-y")) ? ColumnShape.Steel : shape;
            if (!t.Has("cx"))
            {
                t.Missing("cx", shape == ColumnShape.Wall ? "\"250 mm\", the wall's thickness"
                    : "\"400 mm\", the column's size along its x, or its diameter");
            }

            var cx = t.Quantity("cx", Measure.Length, double.NaN, Sign.Positive);
            var cy = t.Quantity("cy", Measure.Length, cx, Sign.Positive);
            var (px, py) = (t.Quantity("plate-x", Measure.Length, 0), t.Quantity("plate-y", Measure.Length, 0));
            if (shape == ColumnShape.Steel && (px < cx || py < cy))
            {
                t.Fault(t.Has("plate-x") ? "plate-x" : "shape",
                    $"the base plate of steel column \"{label}\" must be at least as large as the profile; give plate-x and plate-y");
            }

            var ground = t.Text("ground") ?? "";
            if (ground.Length > 0 && !grounds.Contains(ground))
            {
                t.Fault("ground",
                    $"there is no [grounds.{ground}]; "
                        + (Nearest.Of(ground, grounds) is { } near ? $"did you mean \"{near}\"?" : "write the table"));
            }

            if (shape == ColumnShape.Wall)
            {
                if (Wall(t, label, cx, ground, cases, asReaction, bag) is { } wall)
                {
                    result.Add(wall);
                }

                t.Done();
                continue;
            }

            var support = new Support(
                label,
                t.Quantity("x", Measure.Length, 0, Sign.Any),
                t.Quantity("y", Measure.Length, 0, Sign.Any),
                t.QuantityOrNull("level", Measure.Length, Sign.Any),
                shape ?? ColumnShape.Rectangular,
                cx,
                shape == ColumnShape.Round ? cx : cy,
                shape == ColumnShape.Steel ? px : 0,
                shape == ColumnShape.Steel ? py : 0,
                t.Quantity("angle", Measure.Angle, 0, Sign.Any),
                ground,
                t.Text("grid") ?? "");
            if (!t.Has("reactions"))
            {
                t.Missing("reactions", "{ DEAD = { Fz = \"450 kN\" } }");
            }

            var actions = Actions(t.Inner("reactions"), label, cases, asReaction, bag);
            t.Done();
            result.Add((support, t.Place, actions));
        }

        return result;
    }

    // A wall between two points, with reactions as sums over its length, loads per metre in its own axes, both, or none of a wall that
    // holds back soil alone.
    private static (Support Support, FilePlace Place, SupportAction[] Actions)? Wall(TableReader t, string label, double thickness,
        string ground, IReadOnlyList<LoadCase> cases, bool asReaction, DiagnosticBag bag)
    {
        foreach (var key in (string[])["x", "y", "x2", "y2"])
        {
            if (!t.Has(key))
            {
                t.Missing(key, "\"0 m\", of the ends of the wall's centreline");
            }
        }

        double At(string key) => t.Quantity(key, Measure.Length, 0, Sign.Any);
        var (x, y, x2, y2) = (At("x"), At("y"), At("x2"), At("y2"));
        if (t.Has("x2") && t.Has("y2") && SupportsReader.NoLength(x, y, x2, y2))
        {
            t.Fault("x2", $"wall \"{label}\" has no length: both its ends lie at one point; mend x2 and y2");
            return null;
        }

        foreach (var key in (string[])["cy", "angle", "plate-x", "plate-y"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"wall \"{label}\" is cx thick and lies from its first end to its second; delete {key}");
            }
        }

        var wall = Support.Wall(label, x, y, x2, y2, thickness, t.QuantityOrNull("level", Measure.Length, Sign.Any), ground,
            t.Text("grid") ?? "");
        var actions = Actions(t.Inner("reactions"), label, cases, asReaction, bag);
        var line = Actions(t.Inner("line"), label, cases, asReaction, bag, true);
        for (var k = 0; k < actions.Length; k++)
        {
            actions[k] += (wall.SizeX * line[k]).InAxesTurnedBy(-wall.AngleDegrees);
        }

        return (wall, t.Place, actions);
    }

    private static SupportAction[] Actions(TableReader t, string label, IReadOnlyList<LoadCase> cases, bool asReaction, DiagnosticBag bag,
        bool perMetre = false)
    {
        var actions = new SupportAction[cases.Count];
        foreach (var (name, place, node) in t.All())
        {
            var own = Enumerable.Range(0, cases.Count).Where(k => cases[k].Source == name && cases[k].HasReactions).ToList();
            if (own.Count == 0)
            {
                bag.Error(place, CaseWords.WithoutSymbol(name));
            }
            else if (node.Value is not TomlTable table)
            {
                bag.Error(node.Place,
                    $"the {(perMetre ? "load per metre" : "reaction")} of \"{label}\" in {name} is a table of components; write for "
                        + $"example {TomlText.Key(name)} = "
                        + (perMetre ? "{ Fz = \"25 kN/m\", Mx = \"4 kNm/m\" }" : "{ Fz = \"450 kN\", Mx = \"12 kNm\" }"));
            }
            else
            {
                var inner = new TableReader(table, $"reaction {name}", bag);
                double Force(string key) => inner.Quantity(key, perMetre ? Measure.LineLoad : Measure.Force, 0, Sign.Any);
                double Moment(string key) => inner.Quantity(key, perMetre ? Measure.Force : Measure.Moment, 0, Sign.Any);

                // Along a line a moment about it alone is spread; others follow from forces that change along it.
                var (fx, fy, fz, mx, my, mz) = (Force("Fx"), Force("Fy"), Force("Fz"), Moment("Mx"), perMetre ? 0 : Moment("My"),
                    perMetre ? 0 : Moment("Mz"));
                inner.Done();
                var action = asReaction
                    ? SupportAction.FromReaction(fx, fy, fz, mx, my, mz)
                    : SupportAction.FromAction(fx, fy, fz, mx, my, mz);
                foreach (var k in own)
                {
                    actions[k] = cases[k].Signs is { } signs ? signs.Of(action) : action;
                }
            }
        }

        return actions;
    }
}
