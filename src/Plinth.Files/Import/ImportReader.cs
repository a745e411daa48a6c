using System.Text.RegularExpressions;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Import;

/// <summary>Reads the [import] part of plinth.toml.</summary>
public static class ImportReader
{
    private static readonly string[] ReactionColumns = ["support", "case", "step", "component", .. ImportSpec.Components];
    private static readonly string[] PositionColumns = ["support", "label", "x", "y", "z"];
    private static readonly string[] SizeColumns =
        ["support", "shape", "cx", "cy", "plate-x", "plate-y", "angle", "ground", "grid", "x2", "y2"];

    /// <summary>Reads it.</summary>
    /// <param name="t">The table; absent if the project has none.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <returns>Null if it is absent, or if a guess must complete it.</returns>
    public static ImportSpec? Read(TableReader t, DiagnosticBag bag)
    {
        ArgumentNullException.ThrowIfNull(t);
        ArgumentNullException.ThrowIfNull(bag);
        var reactions = Table(t, ReactionColumns, bag);
        var positions = t.Has("positions") ? Inner(t.Inner("positions"), PositionColumns, bag) : null;
        var sizes = t.Has("sizes") ? Inner(t.Inner("sizes"), SizeColumns, bag) : null;
        var axes = Axes(t);
        var asReaction = t.Choice("sense", true, ("reaction", true), ("action", false));
        var layout = t.Choice("layout", false, ("long", false), ("wide", true));
        var wide = t.Text("wide");
        var component = t.Text("component");
        Wide(t, layout, wide, component, reactions);
        var levels = (t.Texts("keep-level")
            ?? []).Select(l => t.Quantity("keep-level", new TomlNode(l.Text, l.Place, l.Text), Measure.Length, Sign.Any)).OfType<double>()
            .ToList();
        var carry = (t.Texts("carry-down") ?? []).Select(c => c.Text).ToHashSet(StringComparer.Ordinal);
        if (carry.Any(c => c is not ("support" or "case")))
        {
            t.Fault("carry-down",
                "carry-down repeats \"support\" or \"case\" from the row above; write for example carry-down = [\"support\"]");
        }

        var labels = Renames(t, "labels", bag);
        var cases = Renames(t, "cases", bag);
        var pattern = Expression(t);
        var to = t.Text("label-to") ?? "";
        if (pattern is not null && to.Length == 0)
        {
            t.Fault("label-pattern",
                "label-pattern needs label-to; write for example label-pattern = \"^N(\\\\d+)$\" and label-to = \"C$1\"");
        }

        if (pattern is not null && Replacement(pattern, to) is { } fault)
        {
            t.Fault("label-to",
                $"label-to = \"{to}\" names a part that label-pattern does not have: {fault}; write $1 for its first part in brackets");
        }

        string[] Patterns(string key) => [.. (t.Texts(key) ?? []).Select(p => p.Text)];
        var result = reactions is null ? null : new ImportSpec(
            t.Place, reactions, positions, sizes, axes, asReaction, layout ? wide : null, component, Patterns("keep"),
            Patterns("leave-out"), Patterns("keep-cases"), Patterns("leave-out-cases"), levels, carry, labels, pattern, to, cases);
        t.Done();
        return result;
    }

    private static TableSpec? Inner(TableReader t, string[] known, DiagnosticBag bag)
    {
        var result = Table(t, known, bag);
        if (result is null && !t.Has("file"))
        {
            t.Missing("file", "\"raw/positions.csv\"");
        }
        else if (result is not null && !result.Columns.ContainsKey("support"))
        {
            t.Missing("columns.support", "\"Joint\", the header of the column that names the joint or support");
        }

        t.Done();
        return result;
    }

    private static TableSpec? Table(TableReader t, string[] known, DiagnosticBag bag)
    {
        var file = t.Text("file");
        var sheet = t.Text("sheet");
        var header = Row(t, "header", 1);
        var unitsRow = t.Node("units-row") is { Value: false } ? 0 : Row(t, "units-row", 1);
        var skip = new HashSet<int>();
        if (t.Node("skip") is { } node)
        {
            if (node.Value is List<TomlNode> list && list.All(n => n.Value is double v && v >= 1 && v == Math.Floor(v)))
            {
                skip = [.. list.Select(n => (int)(double)n.Value!)];
            }
            else
            {
                t.Fault("skip", "skip lists the numbers of rows to skip; write for example skip = [4, 5]");
            }
        }

        var delimiter = t.Choice<char?>("delimiter", null, (",", ','), (";", ';'), ("\t", '\t'), ("|", '|'));
        var decimalSign = t.Choice<char?>("decimal", null, (".", '.'), (",", ','));
        var encoding = t.Choice<string?>("encoding", null, ("utf-8", "utf-8"), ("utf-16", "utf-16"), ("latin-1", "latin-1"));
        var columns = new Dictionary<string, (string, FilePlace)>(StringComparer.Ordinal);
        var inner = t.Inner("columns");
        foreach (var key in known)
        {
            if (inner.Text(key) is { } name)
            {
                columns[key] = (name.Trim(), inner.PlaceOf(key));
            }
        }

        inner.Done();
        var units = new Dictionary<string, (ReadUnit, string)>(StringComparer.Ordinal);
        var given = t.Inner("units");
        foreach (var key in known)
        {
            if (given.Text(key) is not { } text)
            {
                continue;
            }

            if (MeasureOf(key) is not { } measure || !UnitReader.TryRead(text, out var unit) || !unit.Measures(measure))
            {
                given.Fault(key,
                    MeasureOf(key) is { } m
                        ? $"\"{text}\" is no unit of {m.Name}; write for example {key} = \"{m.Example}\""
                        : $"{key} has no unit; delete it");
                continue;
            }

            units[key] = (unit, text);
        }

        given.Done();
        return file is null
            ? null
            : new TableSpec(file, t.PlaceOf("file"), sheet, t.PlaceOf("sheet"), header, unitsRow, skip, delimiter, decimalSign, encoding,
                columns, units);
    }

    /// <summary>What a column measures; null: text.</summary>
    internal static Measure? MeasureOf(string column) => column switch
    {
        "Fx" or "Fy" or "Fz" => Measure.Force,
        "Mx" or "My" or "Mz" => Measure.Moment,
        "x" or "y" or "z" or "cx" or "cy" or "plate-x" or "plate-y" or "x2" or "y2" => Measure.Length,
        "angle" => Measure.Angle,
        _ => null,
    };

    private static int? Row(TableReader t, string key, int least)
    {
        if (t.Node(key) is not { } node)
        {
            return null;
        }

        if (node.Value is double v && v >= least && v == Math.Floor(v) && v < 1e7)
        {
            return (int)v;
        }

        t.Fault(key, $"{key} is the number of a row, from 1; write for example {key} = 3");
        return null;
    }

    private static AxisMap Axes(TableReader t)
    {
        if (!t.Has("axes"))
        {
            return AxisMap.Same;
        }

        var texts = t.Texts("axes");
        var parts = texts?.Select(x => AxisMap.Axis(x.Text)).ToList();
        if (parts is not [{ } x, { } y, { } z])
        {
            t.Fault("axes", "axes gives the project's x, y and up in the model's axes; write for example axes = [\"x\", \"-z\", \"y\"]");
            return AxisMap.Same;
        }

        var map = new AxisMap(x, y, z);
        if (map.Hand != 1)
        {
            var flipped = new AxisMap(map.X, (map.Y.Axis, -map.Y.Sign), map.Z);
            t.Fault("axes",
                map.Hand == 0
                    ? "axes names a model axis twice; each stands once"
                    : $"axes = {map.Text} is left-handed: it would mirror the building and turn its moments round; did you mean "
                        + $"{flipped.Text}?");
            return AxisMap.Same;
        }

        return map;
    }

    private static void Wide(TableReader t, bool layout, string? wide, string? component, TableSpec? reactions)
    {
        if (!layout)
        {
            if (wide is not null || component is not null)
            {
                t.Fault(wide is not null ? "wide" : "component",
                    "wide and component describe a table with a column a case; write layout = \"wide\" too");
            }

            return;
        }

        if (wide is null || !wide.Contains("{case}", StringComparison.Ordinal))
        {
            t.Fault(wide is null ? "layout" : "wide",
                "a wide table needs the pattern of its headers; write for example wide = \"{case} {component}\", or wide = \"{case}\" with "
                    + "component = \"Fz\"");
        }
        else if (!wide.Contains("{component}", StringComparison.Ordinal) && component is null
            && reactions?.Columns.ContainsKey("component") != true)
        {
            t.Fault("wide",
                "the headers name no component; write component = \"Fz\" if all columns hold it, or columns.component for the column "
                    + "that names it");
        }

        if (component is not null && !ImportSpec.Components.Contains(component))
        {
            t.Fault("component", $"component is one of {string.Join(", ", ImportSpec.Components)}");
        }
    }

    private static Dictionary<string, string> Renames(TableReader t, string key, DiagnosticBag bag)
    {
        var result = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var (from, place, node) in t.Inner(key).All())
        {
            if (node.Value is string to && to.Trim().Length > 0)
            {
                result[from] = to.Trim();
            }
            else
            {
                bag.Error(node.Place,
                    $"{key}: \"{from}\" needs the name it gets, in quotes; write for example \"{from}\" = "
                        + $"\"{(key == "cases" ? "DEAD" : "C1")}\"");
            }
        }

        return result;
    }

    private static string? Replacement(Regex pattern, string to)
    {
        try
        {
            pattern.Replace("", to);
            return null;
        }
        catch (ArgumentException e)
        {
            return e.Message.TrimEnd('.');
        }
    }

    private static Regex? Expression(TableReader t)
    {
        if (t.Text("label-pattern") is not { } text)
        {
            return null;
        }

        try
        {
            // Without backtracking no pattern can take for ever.
            return new Regex(text, RegexOptions.NonBacktracking | RegexOptions.CultureInvariant);
        }
        catch (Exception e) when (e is ArgumentException or NotSupportedException)
        {
            t.Fault("label-pattern", $"label-pattern is not a regular expression that can be used here: {e.Message}");
            return null;
        }
    }
}
