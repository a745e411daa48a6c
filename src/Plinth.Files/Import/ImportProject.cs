using Plinth.Core.Concrete.Codes;
using Plinth.Core.Units;
using Plinth.Files.Access;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;
using Plinth.Files.Tables;
using Plinth.Files.Toml;

namespace Plinth.Files.Import;

/// <summary>What of a project an import reads: the rest may be faulty, or not yet there.</summary>
/// <param name="Spec">The [import] part; null: it is absent, or names no file.</param>
/// <param name="File">The file that [import] names; null: none.</param>
/// <param name="Sheet">The sheet that [import] names; null: none.</param>
/// <param name="Context">What else the import needs.</param>
/// <param name="ReactionsName">Name of the table of reactions.</param>
public sealed record ImportProject(ImportSpec? Spec, string? File, string? Sheet, ImportContext Context, string ReactionsName)
{
    private const int HeaderLength = 4096;

    private static readonly CsvColumn[] Where =
    [
        new("support", null, true), new("x", Measure.Length, true), new("y", Measure.Length, true), new("level", Measure.Length),
    ];

    /// <summary>Whether the spec says all that is needed: nothing is left to a guess.</summary>
    public bool IsComplete =>
        Spec is not null && Spec.Reactions.Columns.ContainsKey("support")
            && (Spec.Wide is not null
                || (Spec.Reactions.Columns.ContainsKey("case") && ImportSpec.Components.Any(Spec.Reactions.Columns.ContainsKey)));

    /// <summary>Reads it from a project's folder; null if plinth.toml or its [import] is wrong.</summary>
    public static ImportProject? Read(string directory, DiagnosticBag bag)
    {
        ArgumentNullException.ThrowIfNull(bag);
        bag.Project ??= directory;
        if (TextFile.Read(Path.Combine(directory, ProjectReader.FileName), ProjectReader.FileName, bag) is not { } text
            || TomlTree.Parse(text, ProjectReader.FileName, bag) is not { } root)
        {
            return null;
        }

        // Only what is read here is judged: an import must work before [cases] is written.
        var aside = new DiagnosticBag();
        var t = new TableReader(root, "", aside);
        var loads = t.Inner("loads");
        var asReaction = loads.Choice("sense", true, ("reaction", true), ("action", false));
        var reactions = loads.Text("reactions") ?? "reactions.csv";
        var european = loads.Text("standard") == "en1990";
        var project = t.Inner("project");
        var code = project.Text("code");
        var units = project.Choice("units", code is null ? UnitSystem.Metric : ConcreteCodes.Find(code)?.WrittenIn ?? UnitSystem.Metric,
            ("metric", UnitSystem.Metric), ("us", UnitSystem.Us));
        var symbols = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var (name, _, node) in t.Inner("cases").All())
        {
            symbols[name] = node.Value is string s ? s
                : node.Value is TomlTable table ? table["symbol"]?.Value as string ?? "combined"
                : "?";
        }

        var inner = new TableReader(root, "", bag).Inner("import");
        var (file, sheet) = (inner.Text("file"), inner.Text("sheet"));
        var spec = ImportReader.Read(inner, bag);
        if (file is not null
            && string.Equals(Path.GetFullPath(Path.Combine(directory, file)), Path.GetFullPath(Path.Combine(directory, reactions)),
                StringComparison.Ordinal))
        {
            bag.Error(inner.PlaceOf("file"),
                $"file = \"{file}\" is the table that the import writes; keep the raw table under another name, for example "
                    + $"raw/{Path.GetFileName(file)}");
        }

        List<string> others = [ProjectReader.FileName, ProjectReader.SupportsName, Adopted.AdoptedReader.FileName, .. spec?.Files ?? [],
            .. new[] { root["extends"], (root["drawings"]?.Value as TomlTable)?["notes"] }.Select(n => n?.Value).OfType<string>()];
        if (Fault(directory, reactions, others) is { } fault)
        {
            bag.Error(loads.PlaceOf("reactions"), $"reactions = \"{reactions}\": {fault}");
        }

        var positions = Positions(Path.Combine(directory, ProjectReader.SupportsName), aside);
        return bag.HasErrors
            ? null
            : new ImportProject(spec, file, sheet, new ImportContext(asReaction, units, european, symbols, positions), reactions);
    }

    // Why an import may not write its table there; null: it may.
    private static string? Fault(string directory, string reactions, IEnumerable<string> others)
    {
        var path = Path.Combine(directory, reactions);
        if ((OutputRules.FaultOfTable(reactions)
            ?? OutputRules.FaultOfOwn(path, directory, others.Select(o => Path.Combine(directory, o)))) is { } fault)
        {
            return fault;
        }

        // A table of another kind that stands there was not written by an import.
        if (!System.IO.File.Exists(path))
        {
            return null;
        }

        using var there = new StreamReader(InputFile.Open(path));
        var header = new char[HeaderLength];
        var first = header.AsSpan(0, there.ReadBlock(header)).Trim();
        var end = first.IndexOfAny('\r', '\n');
        first = end < 0 ? first : first[..end];
        return first.IsEmpty
            || (first.Contains("support", StringComparison.OrdinalIgnoreCase) && first.Contains("case", StringComparison.OrdinalIgnoreCase))
            ? null
            : "what stands there has no columns support and case, so it is no table of reactions, and the import would replace it; name "
                + "another file, or delete that one";
    }

    private static Dictionary<string, (double X, double Y, double Z)> Positions(string path, DiagnosticBag bag)
    {
        var result = new Dictionary<string, (double, double, double)>(StringComparer.Ordinal);
        if (!System.IO.File.Exists(path) || TextFile.Read(path, ProjectReader.SupportsName, bag) is not { Length: > 0 } text)
        {
            return result;
        }

        using var table = CsvTable.Open(text, ProjectReader.SupportsName, Where, bag);
        while (table?.Next() == true)
        {
            var (x, y, z) = (table.Number(1, double.NaN), table.Number(2, double.NaN), table.Number(3, 0));
            if (!double.IsNaN(x) && !double.IsNaN(y) && !double.IsNaN(z))
            {
                result[table.Text(0).ToString()] = (x, y, z);
            }
        }

        return result;
    }
}
