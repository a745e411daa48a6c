using System.Globalization;
using System.Text;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;
using Sylvan.Data.Csv;

namespace Plinth.Files.Import;

/// <summary>
/// Brings supports.csv up to date: positions follow the model, what the engineer wrote by hand stays, rows that nothing changes stay byte
/// for byte.
/// </summary>
internal sealed class SupportsMerge(string directory, ImportSpec spec, PositionTable? positions, SizeTable? sizes,
    IReadOnlyDictionary<string, string> modelLabels, DiagnosticBag bag)
{
    private const double Moves = 0.001;
    private static readonly string[] PositionKeys = ["x", "y", "level"];
    private readonly List<string> came = [];
    private readonly List<string> went = [];
    private readonly List<string> moved = [];
    private readonly List<string> kept = [];

    public IReadOnlyList<string> Came => came;

    public IReadOnlyList<string> Went => went;

    public IReadOnlyList<string> Moved => moved;

    public IReadOnlyList<string> Kept => kept;

    /// <summary>The new text; null: nothing changes.</summary>
    public string? Text { get; private set; }

    /// <summary>Merges.</summary>
    /// <param name="labels">The supports with reactions, in order.</param>
    /// <param name="units">Units of display, for what is said.</param>
    public void Run(IReadOnlyList<string> labels, UnitSystem units)
    {
        var path = Path.Combine(directory, ProjectReader.SupportsName);
        var old = File.Exists(path) ? TextFile.Read(path, ProjectReader.SupportsName, bag) : null;
        if (bag.HasErrors)
        {
            return;
        }

        if (string.IsNullOrWhiteSpace(old))
        {
            if (positions is not null)
            {
                Text = Fresh(labels);
                came.AddRange(labels);
            }

            return;
        }

        Merge(old, labels, units);
    }

    private string Fresh(IReadOnlyList<string> labels)
    {
        var text = new StringBuilder();
        var metric = positions!.Find(modelLabels[labels[0]])!.Units.Any(u => u.Text is "m" or "mm" or "cm");
        var header = new List<string> { "support" };
        foreach (var (key, axis) in PositionKeys.Select((k, i) => (k, i)))
        {
            if (positions.Find(modelLabels[labels[0]])!.Written(spec.Axes, axis) is { } w)
            {
                header.Add($"{key} ({w.UnitText})");
            }
        }

        var given = sizes?.Columns ?? [("shape", null), ("cx", metric ? "mm" : "in"), ("cy", metric ? "mm" : "in"), ("grid", null)];
        header.AddRange(given.Select(c => c.Unit is null ? c.Key : $"{c.Key} ({c.Unit})"));
        text.AppendJoin(',', header).Append('\n');
        foreach (var label in labels)
        {
            text.Append(RawText.Cell(label));
            for (var axis = 0; axis < 3; axis++)
            {
                if (positions.Find(modelLabels[label])!.Written(spec.Axes, axis) is { } w)
                {
                    text.Append(',').Append(w.Number.ToString());
                }
            }

            var own = sizes?.Find(label) ?? sizes?.Find(modelLabels[label]);
            foreach (var (key, _) in given)
            {
                text.Append(',').Append(own is not null && own.TryGetValue(key, out var cell) ? RawText.Cell(cell.Text) : "");
            }

            text.Append('\n');
        }

        return text.ToString();
    }

    private void Merge(string old, IReadOnlyList<string> labels, UnitSystem units)
    {
        using var reader = CsvDataReader.Create(new StringReader(old),
            new CsvDataReaderOptions
            {
                HasHeaders = false,
                Delimiter = ',',
                MaxBufferSize = 1 << 20,
                Culture = CultureInfo.InvariantCulture
            });
        if (!reader.Read())
        {
            return;
        }

        var newline = old.Contains("\r\n", StringComparison.Ordinal) ? "\r\n" : "\n";
        var header = Enumerable.Range(0, reader.RowFieldCount).Select(i => reader.GetString(i).Trim()).ToList();
        var columns = new Dictionary<string, (int At, ReadUnit Unit)>(StringComparer.OrdinalIgnoreCase);
        for (var i = 0; i < header.Count; i++)
        {
            var unit = RawColumns.InHeader(header[i]);
            columns.TryAdd(RawColumns.Bare(header[i]).Trim(),
                (i, unit is not null && UnitReader.TryRead(unit, out var u) ? u : new ReadUnit(1, 0, 0, false)));
        }

        if (!columns.TryGetValue("support", out var name))
        {
            bag.Error(new FilePlace(ProjectReader.SupportsName, 1, 1),
                "column \"support\" is missing; name it in the header, or delete the file to have it made anew");
            return;
        }

        // Columns of the sizes that the file has not yet come behind the others; every other byte stays.
        var text = new StringBuilder(reader.GetRawRecordSpan().TrimEnd("\r\n").ToString());
        var more = (sizes?.Columns ?? []).Where(c => !columns.ContainsKey(c.Key)).ToList();
        foreach (var (key, unit) in more)
        {
            columns[key] = (header.Count, unit is not null && UnitReader.TryRead(unit, out var u) ? u : new ReadUnit(1, 0, 0, false));
            header.Add(unit is null ? key : $"{key} ({unit})");
            text.Append(',').Append(header[^1]);
        }

        text.Append(newline);
        var waiting = new HashSet<string>(labels, StringComparer.Ordinal);
        var changed = more.Count > 0;
        while (reader.Read())
        {
            var raw = reader.GetRawRecordSpan().TrimEnd("\r\n").ToString() + new string(',', more.Count);
            string[] cells = [.. Enumerable.Range(0, reader.RowFieldCount).Select(reader.GetString), .. Enumerable.Repeat("", more.Count)];
            var label = name.At < cells.Length ? cells[name.At].Trim() : "";
            if (label.Length == 0)
            {
                text.Append(raw).Append(newline);
            }
            else if (!waiting.Remove(label))
            {
                went.Add(raw);
                changed = true;
            }
            else if (Update(label, cells, columns, units))
            {
                text.AppendJoin(',', cells.Select(RawText.Cell)).Append(newline);
                changed = true;
            }
            else
            {
                text.Append(raw).Append(newline);
            }
        }

        foreach (var label in labels.Where(waiting.Contains))
        {
            came.Add(label);
            changed = true;
            var cells = Enumerable.Repeat("", header.Count).ToArray();
            cells[name.At] = label;
            Update(label, cells, columns, units, isNew: true);
            text.AppendJoin(',', cells.Select(RawText.Cell)).Append(newline);
        }

        Text = changed ? text.ToString() : null;
    }

    // Whether any cell changed. Positions follow the model; sizes fill what is empty and never replace what was written.
    private bool Update(string label, string[] cells, Dictionary<string, (int At, ReadUnit Unit)> columns, UnitSystem units,
        bool isNew = false)
    {
        var changed = false;
        var joint = positions?.Find(modelLabels[label]);
        for (var axis = 0; axis < 3; axis++)
        {
            if (joint?.Written(spec.Axes, axis) is not { } w || !columns.TryGetValue(PositionKeys[axis], out var column)
                || column.At >= cells.Length)
            {
                continue;
            }

            var now = joint.Position(spec.Axes, axis)!.Value;
            var had = UnitReader.TryNumber(cells[column.At].Trim(), out var before) ? column.Unit.ToBase(before) : (double?)null;
            if (had is { } h && Math.Abs(h - now) < Moves)
            {
                continue;
            }

            cells[column.At] = (w.Unit == column.Unit ? w.Number : RawNumber.Of(Math.Round(now / column.Unit.Factor, 9))).ToString();
            changed = true;
            if (!isNew)
            {
                moved.Add(
                    $"{label} {PositionKeys[axis]} {(had is { } v ? Unit.Length.Format(v, units) : "none")} → "
                        + $"{Unit.Length.FormatWithSymbol(now, units)}");
            }
        }

        foreach (var (key, cell) in sizes?.Find(label) ?? sizes?.Find(modelLabels[label])
            ?? new Dictionary<string, (string Text, RawNumber Number, ReadUnit Unit)>())
        {
            if (!columns.TryGetValue(key, out var column) || column.At >= cells.Length)
            {
                continue;
            }

            var written = cells[column.At].Trim();
            var isText = ImportReader.MeasureOf(key) is null;
            var value = isText
                ? cell.Text
                : (cell.Unit == column.Unit
                    ? cell.Number
                    : RawNumber.Of(Math.Round(cell.Unit.ToBase(cell.Number.Value) / column.Unit.Factor, 9))).ToString();
            if (written.Length == 0)
            {
                cells[column.At] = value;
                changed = true;
            }
            else if (isText
                ? written != value
                : !UnitReader.TryNumber(written, out var hand)
                    || Math.Abs(column.Unit.ToBase(hand) - cell.Unit.ToBase(cell.Number.Value)) > 1e-6)
            {
                kept.Add($"{label} {key} {written} (the table has {value})");
            }
        }

        return changed;
    }
}
