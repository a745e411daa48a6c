using System.Globalization;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;

namespace Plinth.Files.Import;

/// <summary>Turns raw tables into supports.csv and reactions.csv by the [import] part of plinth.toml.</summary>
/// <param name="directory">The project's folder.</param>
/// <param name="spec">What [import] says.</param>
/// <param name="project">What else of the project it needs.</param>
/// <param name="bag">Receives what is wrong.</param>
public sealed partial class Importer(string directory, ImportSpec spec, ImportContext project, DiagnosticBag bag)
{
    private const int Examples = 3;
    private readonly Dictionary<string, (int Rows, List<string> Examples)> leftOut = new(StringComparer.Ordinal);
    private readonly CaseMap cases = new(spec, bag);
    private readonly Dictionary<string, int> supports = new(StringComparer.Ordinal);
    private readonly Dictionary<string, string> modelLabels = new(StringComparer.Ordinal);
    private readonly List<string> reasons = [];
    private LabelMap? labels;
    private PositionTable? positions;
    private ReactionsSink? sink;

    /// <summary>Reads the tables.</summary>
    /// <param name="output">Receives reactions.csv as it is read; null: nothing is written.</param>
    /// <returns>What was read; null if there are errors.</returns>
    public ImportReport? Run(TextWriter? output)
    {
        var read = new List<string>();
        if (spec.Positions is { } table)
        {
            positions = PositionTable.Read(directory, table, bag, out var told);
            if (told is not null)
            {
                read.Add(told);
            }
        }

        SizeTable? sizes = null;
        if (spec.Sizes is { } sizeTable)
        {
            sizes = SizeTable.Read(directory, sizeTable, bag, out var told);
            if (told is not null)
            {
                read.Add(told);
            }
        }

        labels = new LabelMap(spec, positions, bag);
        var source = spec.Wide is null
            ? spec.Reactions
            : spec.Reactions with
            {
                Columns = spec.Reactions.Columns.Where(c => c.Key is "support" or "component")
                .ToDictionary(c => c.Key, c => c.Value, StringComparer.Ordinal)
            };
        using (var columns = RawColumns.OpenAtData(directory, source, bag))
        {
            if (columns is null)
            {
                return null;
            }

            var rows = spec.Wide is null ? Long(columns, output) : Wide(columns, output);
            read.Add(RawText.Describe(columns, rows, "rows"));
            if (columns.Repeated > 0)
            {
                leftOut["the header, repeated"] = (columns.Repeated, []);
            }
        }

        if (sink is { Rows: 0 } && !bag.HasErrors)
        {
            bag.Error(spec.Reactions.FilePlace, "no row of reactions is left; look at keep, leave-out and keep-level");
        }

        if (bag.HasErrors || sink is null)
        {
            return null;
        }

        var merge = new SupportsMerge(directory, spec, positions, sizes, modelLabels, bag);
        merge.Run([.. sink.Supports.Select(s => s.Label)], project.Units);
        return bag.HasErrors ? null : new ImportReport(
            read,
            sink.Rows,
            sink.Supports.Count,
            [.. leftOut.Select(p => new LeftOut(p.Key, p.Value.Rows, p.Value.Examples))],
            [
                .. sink.Cases.Select((c, i) => new CaseTotals(cases.Names[i], c.Supports, c.Totals,
                    project.Symbols.GetValueOrDefault(cases.Names[i]), CaseWords.Guess(cases.Names[i], project.European)))],
            sink.Supports.All(s => s.Position is not null),
            merge.Came,
            merge.Went,
            merge.Moved,
            merge.Kept,
            merge.Text);
    }

    private int Long(RawColumns columns, TextWriter? output)
    {
        int[] at = [columns.IndexOf("support"), columns.IndexOf("case"), columns.IndexOf("step")];
        if (at[0] < 0 || at[1] < 0)
        {
            bag.Error(spec.Place,
                $"[import] needs columns.{(at[0] < 0 ? "support" : "case")}: the header of the column that names the "
                    + $"{(at[0] < 0 ? "support or joint" : "case")}");
            return 0;
        }

        var components = ImportSpec.Components.Select(columns.IndexOf).ToArray();
        var units = ImportSpec.Components.Select((c, i) => components[i] < 0 ? null : columns.UnitOf(c, components[i], bag)).ToArray();
        if (components.All(c => c < 0))
        {
            bag.Error(spec.Place, "[import] maps no component; write for example columns.Fz = \"Z force\"");
        }

        if (bag.HasErrors)
        {
            return 0;
        }

        sink = new ReactionsSink(spec, units, project.AsReaction, output, bag);
        var t = columns.Table;
        var model = new RawNumber[6];
        var lookup = supports.GetAlternateLookup<ReadOnlySpan<char>>();
        var (lastLabel, lastCase) = ("", "");
        var (carryLabel, carryCase) = (spec.CarryDown.Contains("support"), spec.CarryDown.Contains("case"));
        Func<FilePlace> place = () => t.Place(at[0]);
        var rows = 0;
        while (columns.Next())
        {
            rows++;
            var label = t.Text(at[0]);
            if (label.IsEmpty && carryLabel)
            {
                label = lastLabel;
            }
            else if (carryLabel && !label.SequenceEqual(lastLabel))
            {
                lastLabel = label.ToString();
            }

            // Also a row that is left out names the case of those below it.
            var caseText = t.Text(at[1]);
            if (caseText.IsEmpty && carryCase)
            {
                caseText = lastCase;
            }
            else if (carryCase && !caseText.SequenceEqual(lastCase))
            {
                lastCase = caseText.ToString();
            }

            // A row that is left out may hold anything.
            var known = lookup.TryGetValue(label, out var support);
            if (!known && !label.IsEmpty && LeftOutByName(label.ToString()))
            {
                (known, support) = (true, LeaveAs("leave-out"));
                supports[label.ToString()] = support;
            }

            if (known && support < 0)
            {
                Leave(reasons[-support - 1], t, at[0]);
                continue;
            }

            if (!Numbers(t, columns, components, model, out var any))
            {
                continue;
            }

            if (!any)
            {
                Leave("no number in it", t, at[0]);
                continue;
            }

            if (label.IsEmpty)
            {
                bag.Error(t.Place(at[0]),
                    t.Fault(at[0])
                        ?? "this row names no support; carry-down = [\"support\"] repeats the one above, and skip leaves a row out");
                continue;
            }

            if (!known)
            {
                support = AddSupport(label.ToString(), t, at[0]);
            }

            if (support < 0)
            {
                Leave(reasons[-support - 1], t, at[0]);
                continue;
            }

            var k = cases.Find(caseText, at[2] < 0 ? default : t.Text(at[2]), t.Place(at[1]));
            if (k < 0)
            {
                Leave("cases left out", t, at[1]);
                continue;
            }

            sink.Take(support, k, cases.Names, model, place);
        }

        return rows;
    }

    private int AddSupport(string label, RawTable t, int cell)
    {
        if (t.Fault(cell) is { } fault)
        {
            bag.Error(t.Place(cell), fault);
            return supports[label] = LeaveAs("cells at fault");
        }

        if (labels!.Support(label, t.Place(cell), out var why) is not { } name)
        {
            return supports[label] = LeaveAs(why ?? "no support for the label");
        }

        modelLabels.TryAdd(name, label);
        var joint = positions?.Find(label);
        if (positions is not null && joint is null)
        {
            bag.Error(t.Place(cell),
                $"\"{label}\" is not among the positions in {spec.Positions!.File}; add it there, or leave it out: leave-out = "
                    + $"[\"{label}\"]");
        }

        var place = joint is not null && joint.Position(spec.Axes, 0) is { } x && joint.Position(spec.Axes, 1) is { } y
            ? (x, y, joint.Position(spec.Axes, 2) ?? 0)
            : project.Positions.TryGetValue(name, out var known) ? known : ((double, double, double)?)null;
        return supports[label] = sink!.AddSupport(name, place);
    }

    private bool LeftOutByName(string label) => spec.LeaveOut.Any(p => Pattern.Matches(label, p));

    private int LeaveAs(string why)
    {
        var i = reasons.IndexOf(why);
        if (i < 0)
        {
            i = reasons.Count;
            reasons.Add(why);
        }

        return -i - 1;
    }

    private void Leave(string reason, RawTable t, int cell)
    {
        var entry = leftOut.TryGetValue(reason, out var found) ? found : (0, []);
        if (entry.Item2.Count < Examples && t.Text(cell) is { IsEmpty: false } text && !entry.Item2.Contains(text.ToString()))
        {
            entry.Item2.Add(text.ToString());
        }

        leftOut[reason] = (entry.Item1 + 1, entry.Item2);
    }

    private bool Numbers(RawTable t, RawColumns columns, int[] at, RawNumber[] model, out bool any)
    {
        any = false;
        var ok = true;
        var empty = 0;
        for (var i = 0; i < 6; i++)
        {
            model[i] = default;
            if (at[i] < 0)
            {
                continue;
            }

            if (t.TryNumber(at[i], out model[i]))
            {
                any = true;
            }
            else if (t.Text(at[i]).IsEmpty && t.Fault(at[i]) is null)
            {
                empty++;
            }
            else
            {
                NotNumber(t, columns, at[i]);
                ok = false;
            }
        }

        if (any && empty > 0)
        {
            Leave("empty cells, read as zero (the rows are kept)", t, at[0]);
        }

        return ok;
    }

    private void NotNumber(RawTable t, RawColumns columns, int cell)
    {
        var text = t.Text(cell);
        var skip = $"skip = [{t.Line.ToString(CultureInfo.InvariantCulture)}]";
        var mend = t is RawCsv { DecimalSign: var sign }
            ? $" with a decimal {(sign == ',' ? "comma" : "point")}; say decimal = \"{(sign == ',' ? "." : ",")}\" if it is the other, or "
                + skip
            : $"; mend it, or {skip}";
        bag.Error(t.Place(cell), t.Fault(cell) ?? (text.Contains('.') && text.Contains(',')
            ? $"{columns.Header[cell]} \"{text}\" has separators of thousands; format the column without them and export again"
            : $"{columns.Header[cell]} \"{text}\" is not a number{mend}"));
    }
}

/// <summary>What an import needs of the rest of plinth.toml and of the supports as they stand.</summary>
/// <param name="AsReaction">[loads] sense: whether reactions.csv holds reactions.</param>
/// <param name="Units">Units of display.</param>
/// <param name="European">Whether symbols are those of EN 1990.</param>
/// <param name="Symbols">Symbol by case, as [cases] says.</param>
/// <param name="Positions">Position and level by support, as supports.csv says, m.</param>
public sealed record ImportContext(bool AsReaction, UnitSystem Units, bool European, IReadOnlyDictionary<string, string> Symbols,
    IReadOnlyDictionary<string, (double X, double Y, double Z)> Positions);
