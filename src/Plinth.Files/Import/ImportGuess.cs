using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;
using Plinth.Files.Toml;

namespace Plinth.Files.Import;

/// <summary>
/// Guesses the [import] part of plinth.toml from a table's headers, by generic trade words. A guess is text to read, change and paste; it
/// is never applied.
/// </summary>
public static partial class ImportGuess
{
    private const int MostRows = 200_000;

    /// <summary>Guesses.</summary>
    /// <param name="directory">The project's folder, to which files are named.</param>
    /// <param name="file">The table of reactions.</param>
    /// <param name="sheet">Its sheet; null: the one that fits best.</param>
    /// <param name="known">The cases that have a symbol already.</param>
    /// <param name="european">Whether symbols are those of EN 1990.</param>
    /// <param name="bag">Receives what is wrong.</param>
    /// <returns>Text for plinth.toml; null if the file cannot be read or nothing in it looks like reactions.</returns>
    public static string? Text(string directory, string file, string? sheet, IReadOnlySet<string> known, bool european, DiagnosticBag bag)
    {
        ArgumentNullException.ThrowIfNull(known);
        ArgumentNullException.ThrowIfNull(bag);
        var tables = Sheets(directory, file, bag);
        var reactions = tables.Where(t => sheet is null || t.Sheet == sheet).MaxBy(t => Score(t, reactions: true));
        if (bag.HasErrors || reactions is null || Score(reactions, reactions: true) < 3)
        {
            if (!bag.HasErrors)
            {
                bag.Error(new FilePlace(file, 0, 0),
                    "no row of it looks like the header of a table of reactions (a joint or support, a case, forces); write [import] by "
                        + "hand: plinth import --help shows one");
            }

            return null;
        }

        var positions = Candidates(tables, directory, file)
            .Where(t => t != reactions && t.Roles.ContainsKey("x") && t.Roles.ContainsKey("y") && t.Roles.ContainsKey("support"))
            .MaxBy(t => Score(t, reactions: false));
        var text = new StringBuilder();
        var (axes, sense, why, cases) = Look(directory, reactions, european, bag);
        text.Append("[import]\n").Append(Source(reactions));
        text.Append("axes = ").Append(axes.Text).Append("   # project x, y, up in the model's axes").Append(why).Append('\n');
        text.Append("sense = ").Append(sense).Append('\n');
        text.Append("columns = { ").AppendJoin(", ", reactions.Roles.Select(r => $"{r.Key} = {TomlText.Quote(r.Value)}")).Append(" }\n");
        if (positions is not null)
        {
            text.Append("\n[import.positions]\n").Append(Source(positions));
            text.Append("columns = { ")
                .AppendJoin(", ",
                    positions.Roles.Where(r => r.Key is "support" or "x" or "y" or "z").Select(r => $"{r.Key} = {TomlText.Quote(r.Value)}"))
                .Append(" }\n");
        }

        var sizes = Candidates(tables, directory, file)
            .Where(t => t != reactions && t != positions && t.Sizes.ContainsKey("support")
                && t.Sizes.Keys.Any(k => k is "cx" or "cy" or "plate-x"))
            .MaxBy(t => t.Sizes.Count);
        if (sizes is not null)
        {
            text.Append("\n[import.sizes]\n").Append(Source(sizes));
            text.Append("columns = { ").AppendJoin(", ", sizes.Sizes.Select(r => $"{r.Key} = {TomlText.Quote(r.Value)}")).Append(" }\n");
        }

        text.Append("\n[import.labels]              # joint = support, where they differ; delete the table where they do not\n");
        var open = cases.Where(c => !known.Contains(c)).ToList();
        if (open.Count > 0)
        {
            // A table that stands may not stand twice: then only its lines are to be pasted, below it.
            text.Append(known.Count > 0
                ? "\n# Below the [cases] that stand; proposed by their names: look at each\n"
                : "\n[cases]                      # proposed by their names: look at each\n");
            foreach (var c in open)
            {
                var symbol = CaseWords.Guess(c, european);
                text.Append(symbol is null ? "# " : "").Append(TomlText.Key(c)).Append(" = ").Append(TomlText.Quote(symbol ?? "?"))
                    .Append('\n');
            }
        }

        return text.ToString();
    }

    private static IEnumerable<Preview> Candidates(List<Preview> tables, string directory, string file) =>
        tables.Concat(Siblings(directory, file));

    private static string Source(Preview t) =>
        $"file = {TomlText.Quote(t.File)}\n{(t.Sheet is null ? "" : $"sheet = {TomlText.Quote(t.Sheet)}\n")}header = "
            + $"{t.HeaderLine.ToString(CultureInfo.InvariantCulture)}\n";

    private static int Score(Preview t, bool reactions) => reactions
        ? t.Roles.Count(r => r.Key is "support" or "case" or "Fx" or "Fy" or "Fz" or "Mx" or "My" or "Mz")
            * (t.Roles.Keys.Any(k => k[0] == 'F') ? 1 : 0)
        : t.Roles.Count(r => r.Key is "support" or "x" or "y" or "z");

    // Which way is up: permanent cases press along it; and which sign it has tells reactions from actions.
    private static (AxisMap Axes, string Sense, string Why, IReadOnlyList<string> Cases) Look(string directory, Preview t, bool european,
        DiagnosticBag bag)
    {
        var place = new FilePlace(t.File, 0, 0);
        var columns = t.Roles.ToDictionary(r => r.Key, r => (r.Value, place), StringComparer.Ordinal);
        var spec = new TableSpec(t.File, place, t.Sheet, place, t.HeaderLine, null, new HashSet<int>(), null, null, null, columns,
            new Dictionary<string, (ReadUnit, string)>());
        var cases = new List<string>();
        var sums = new double[3];
        using var table = RawColumns.OpenAtData(directory, spec, bag);
        if (table is null)
        {
            return (AxisMap.Same, "\"reaction\"", "", cases);
        }

        var caseAt = table.IndexOf("case");
        int[] at = [table.IndexOf("Fx"), table.IndexOf("Fy"), table.IndexOf("Fz")];
        for (var rows = 0; rows < MostRows && table.Next(); rows++)
        {
            var name = caseAt < 0 ? "" : table.Table.Text(caseAt).ToString();
            if (name.Length == 0)
            {
                continue;
            }

            if (!cases.Contains(name))
            {
                cases.Add(name);
            }

            for (var i = 0; i < 3; i++)
            {
                if (CaseWords.Guess(name, european) is "D" or "G" && at[i] >= 0 && table.Table.TryNumber(at[i], out var n))
                {
                    sums[i] += n.Value;
                }
            }
        }

        var up = Enumerable.Range(0, 3).MaxBy(i => Math.Abs(sums[i]));
        if (sums[up] == 0)
        {
            return (AxisMap.Same, "\"reaction\"               # +Fz holds the column up; \"action\": as it presses on the foundation",
                "; no permanent case is known, so this is not looked up", cases);
        }

        var axes = up switch { 1 => new AxisMap((0, 1), (2, -1), (1, 1)), 0 => new AxisMap((1, 1), (2, 1), (0, 1)), _ => AxisMap.Same };
        var why = $": permanent cases add up along {"XYZ"[up]}";
        return (axes,
            sums[up] > 0
                ? "\"reaction\"               # permanent cases are positive upwards"
                : "\"action\"                 # permanent cases are negative upwards: they press down", why, cases);
    }

    private static List<Preview> Sheets(string directory, string file, DiagnosticBag bag)
    {
        var path = Path.Combine(directory, file);
        if (!Path.GetExtension(path).Equals(".xlsx", StringComparison.OrdinalIgnoreCase))
        {
            return Read(RawCsv.Open(path, file, null, null, null, bag), file, null) is { } one ? [one] : [];
        }

        if (RawXlsx.SheetNames(path, file, bag) is not { } names)
        {
            return [];
        }

        return [.. names.Select(n => Read(RawXlsx.Open(path, file, n, default, bag), file, names.Count == 1 ? null : n)).OfType<Preview>()];
    }

    // Positions often stand in a file beside that of the reactions.
    private static IEnumerable<Preview> Siblings(string directory, string file)
    {
        var folder = Path.GetDirectoryName(Path.Combine(directory, file)) ?? ".";
        if (!Directory.Exists(folder) || file.EndsWith(".xlsx", StringComparison.OrdinalIgnoreCase))
        {
            return [];
        }

        return Directory.EnumerateFiles(folder, "*.csv").Order(StringComparer.Ordinal)
            .Where(f => Path.GetFileName(f) != Path.GetFileName(file)
                && Path.GetFileName(f) is not (ProjectReader.SupportsName or "reactions.csv"))
            .Select(f => Path.Combine(Path.GetDirectoryName(file) ?? "", Path.GetFileName(f)))
            .Select(f => Read(RawCsv.Open(Path.Combine(directory, f), f, null, null, null, new DiagnosticBag()), f, null))
            .OfType<Preview>();
    }

    private static Preview? Read(RawTable? table, string file, string? sheet)
    {
        using (table)
        {
            Preview? best = null;
            for (var rows = 0; table is not null && rows < RawTable.PreviewRows && table.Next(); rows++)
            {
                var (roles, sizes) = (new Dictionary<string, string>(StringComparer.Ordinal),
                    new Dictionary<string, string>(StringComparer.Ordinal));
                for (var i = 0; i < table.Count; i++)
                {
                    var header = table.Text(i).ToString();
                    if (header.Length is > 0 and < 60 && Role(RawColumns.Bare(header)) is { } role)
                    {
                        roles.TryAdd(role, header);
                    }

                    if (header.Length is > 0 and < 60 && SizeRole(RawColumns.Bare(header)) is { } size)
                    {
                        sizes.TryAdd(size, header);
                    }
                }

                if (Math.Max(roles.Count, sizes.Count) > (best is null ? 1 : Math.Max(best.Roles.Count, best.Sizes.Count)))
                {
                    best = new Preview(file, sheet, table.Line, roles, sizes);
                }
            }

            return best;
        }
    }

    /// <summary>What a header says it holds, by generic trade words; null: nothing known.</summary>
    internal static string? Role(string header)
    {
        string[] words = [.. Words().Matches(header.ToLowerInvariant()).Select(m => m.Value)];
        bool Any(params ReadOnlySpan<string> known)
        {
            foreach (var w in known)
            {
                if (words.Contains(w))
                {
                    return true;
                }
            }

            return false;
        }

        if (words.Length is 0 or > 4)
        {
            return null;
        }

        if (Any("step"))
        {
            return "step";
        }

        // Axes by letter, or by number.
        words = [.. words.Select(w => w switch { "1" => "x", "2" => "y", "3" => "z", _ => w })];
        var axis = words.FirstOrDefault(w => w is "x" or "y" or "z");
        var joined = words.FirstOrDefault(w => w.Length == 2 && w[1] is 'x' or 'y' or 'z');
        if (Any("moment", "moments", "m") && axis is not null)
        {
            return "M" + axis;
        }

        if (joined is not null && joined[0] == 'm')
        {
            return joined.Replace('m', 'M');
        }

        if (Any("force", "forces", "reaction", "reactions", "shear", "f", "r", "h", "v") && axis is not null)
        {
            return "F" + axis;
        }

        if (joined is not null && joined[0] is 'f' or 'r' or 'h' or 'v' or 'p')
        {
            return "F" + joined![1];
        }

        if (Any("vertical"))
        {
            return "Fz";
        }

        if (Any("case", "loading", "loadcase", "lc", "load", "combination", "combo"))
        {
            return "case";
        }

        if (axis is not null && words.All(w => w.Length == 1 || w is "coord" or "coordinate" or "position" or "global" or "at"))
        {
            return axis;
        }

        if (Any("level", "elevation"))
        {
            return "z";
        }

        return Any("joint", "node", "support", "point", "column", "label", "base") ? "support" : null;
    }

    /// <summary>What a header of a table of columns says it holds; null: nothing known.</summary>
    internal static string? SizeRole(string header)
    {
        string[] words = [.. Words().Matches(header.ToLowerInvariant()).Select(m => m.Value)];
        bool Any(params string[] known) => words.Any(known.Contains);
        if (words.Length is 0 or > 4)
        {
            return null;
        }

        if (Any("plate"))
        {
            return Any("x", "b", "length", "depth") ? "plate-x" : Any("y", "n", "d", "width", "breadth") ? "plate-y" : null;
        }

        return Any("cx", "depth", "diameter", "height") ? "cx"
            : Any("cy", "width", "breadth") ? "cy"
            : Any("grid") ? "grid"
            : Any("angle", "rotation") ? "angle"
            : Any("shape") ? "shape"
            : Any("joint", "node", "support", "point", "column", "label", "base") ? "support"
            : null;
    }

    /// <summary>Headers of a table by what they hold: of reactions or positions, and of column sizes.</summary>
    private sealed record Preview(string File, string? Sheet, int HeaderLine, IReadOnlyDictionary<string, string> Roles,
        IReadOnlyDictionary<string, string> Sizes);

    [GeneratedRegex("[a-z]+|[1-3]")]
    private static partial Regex Words();
}
