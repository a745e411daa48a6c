using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.RegularExpressions;

namespace Plinth.Fuzz;

/// <summary>Changes files as a slip, a stranger or an enemy would.</summary>
/// <param name="random">Where chance comes from.</param>
/// <param name="words">Lines and words of all projects, to be put where they do not belong.</param>
internal sealed partial class Mutator(Random random, Corpus words)
{
    private static readonly string[] Numbers =
    [
        "0", "-0", "-1", "1e300", "-1e300", "1e-300", "nan", "inf", "-inf", "1e308", "99999999999999999999", "0.1", "1,5", "1.000,5", "1e",
        "--1", "0x10", "1_000", "½", "٣", "", " ", "1e5", "1e-9", "2147483648", "7'-6 1/2\"",
    ];

    private static readonly string[] Texts =
    [
        "", " ", "\u001b[31m", "\u009b", "a\u202eb", "\u0000", "\\u001b", "\\u0000", "\\uD800", "../../../etc/passwd", "/dev/zero",
        "/proc/self/environ", "=cmd()", "C1", "F1", "\"", "'", "]", "]]", "[", "#", "\n", "\r", "\\", "😀", "שלום", "ﷺ", "{n}", "{0}", "%s",
        "$1", "*", "(a+)+$",
    ];

    private static readonly string[] Units = ["m", "mm", "kN", "kPa", "MPa", "ft", "in", "kip", "ksf", "deg", "%", "kN m", "t", "N/mm2",
        "furlong", ""];

    /// <summary>Changes a file once.</summary>
    /// <returns>What was done, in words.</returns>
    public string Change(string path)
    {
        if (path.EndsWith(".xlsx", StringComparison.Ordinal))
        {
            return Workbook(path);
        }

        var bytes = File.ReadAllBytes(path);
        switch (random.Next(20))
        {
            case 0:
                File.WriteAllBytes(path, Bytes(bytes));
                return "bytes changed";
            case 1:
                File.WriteAllBytes(path, bytes[..random.Next(bytes.Length + 1)]);
                return "cut off";
            case 2:
                return Encoded(path, Encoding.UTF8.GetString(bytes));
            case 3 when random.Next(4) == 0:
                return Replaced(path);
        }

        var text = Encoding.UTF8.GetString(bytes);

        // Half of all is what a person might mean: another value, another word, a rule of another project.
        var (done, changed) = random.Next(2) == 0 ? Meant(text) : Text(text);
        File.WriteAllText(path, changed);
        return done;
    }

    private (string Done, string Text) Meant(string text)
    {
        switch (random.Next(8))
        {
            case 0:
                return ("a table of another project at the end",
                    text.TrimEnd('\n') + "\n\n" + string.Join('\n', words.Table(random)) + "\n");
            case 1:
                // After the head of a table, so that it stands in it.
                var lines = text.Split('\n').ToList();
                var heads = Enumerable.Range(0, lines.Count).Where(i => lines[i].StartsWith('[')).ToList();
                var at = heads.Count == 0 ? 0 : heads[random.Next(heads.Count)] + 1;
                lines.Insert(at, words.Line(random));
                return ($"a rule of another project in line {at + 1}: {lines[at]}", string.Join('\n', lines));
            default:
                var matches = Number().Matches(text);
                if (matches.Count == 0)
                {
                    return ("nothing", text);
                }

                var match = matches[random.Next(matches.Count)];
                var factor = random.Next(6) switch { 0 => 0, 1 => -1, 2 => 10, _ => Math.Exp((random.NextDouble() * 4) - 2) };
                var value = (double.Parse(match.Value, CultureInfo.InvariantCulture) * factor).ToString(match.Value.Contains('.',
                    StringComparison.Ordinal) ? "0.###" : "0", CultureInfo.InvariantCulture);
                return ($"{match.Value} → {value} at {match.Index}", text[..match.Index] + value + text[(match.Index + match.Length)..]);
        }
    }

    // A number that stands by itself, as a cell or before a unit.
    [GeneratedRegex(@"(?<=[\s"",;=(\[])-?\d+(\.\d+)?(?=[\s"",;)\]]|$)")]
    private static partial Regex Number();

    private byte[] Bytes(byte[] bytes)
    {
        if (bytes.Length == 0)
        {
            return [(byte)random.Next(256)];
        }

        var copy = bytes.ToList();
        for (var n = random.Next(1, 6); n > 0; n--)
        {
            var at = random.Next(copy.Count);
            switch (random.Next(3))
            {
                case 0:
                    copy[at] ^= (byte)(1 << random.Next(8));
                    break;
                case 1:
                    copy.Insert(at, (byte)random.Next(256));
                    break;
                default:
                    copy[at] = (byte)random.Next(256);
                    break;
            }
        }

        return [.. copy];
    }

    private string Encoded(string path, string text)
    {
        Encoding[] encodings = [new UTF8Encoding(true), Encoding.Unicode, Encoding.BigEndianUnicode, new UnicodeEncoding(false, false),
            Encoding.Latin1, Encoding.UTF32];
        var encoding = encodings[random.Next(encodings.Length)];
        text = random.Next(2) == 0 ? text.Replace("\n", "\r\n", StringComparison.Ordinal) : text;
        File.WriteAllBytes(path, [.. encoding.GetPreamble(), .. encoding.GetBytes(text)]);
        return "as " + encoding.WebName;
    }

    private string Replaced(string path)
    {
        File.Delete(path);
        switch (random.Next(4))
        {
            case 0:
                Directory.CreateDirectory(path);
                return "a folder instead";
            case 1:
                File.CreateSymbolicLink(path, "/dev/zero");
                return "a device instead";
            case 2:
                File.CreateSymbolicLink(path, path);
                return "a circle of links instead";
            default:
                return "deleted";
        }
    }

    private (string Done, string Text) Text(string text)
    {
        var lines = text.Split('\n').ToList();
        var at = random.Next(lines.Count);
        switch (random.Next(14))
        {
            case 0:
                lines.RemoveAt(at);
                return ($"line {at + 1} deleted", string.Join('\n', lines));
            case 1:
                lines.Insert(random.Next(lines.Count), lines[at]);
                return ($"line {at + 1} twice", string.Join('\n', lines));
            case 2:
                var other = random.Next(lines.Count);
                (lines[at], lines[other]) = (lines[other], lines[at]);
                return ($"lines {at + 1} and {other + 1} swapped", string.Join('\n', lines));
            case 3:
                lines.Insert(at, words.Line(random));
                return ($"a strange line before {at + 1}: {lines[at]}", string.Join('\n', lines));
            case 4:
                lines[at] = lines[at].Length == 0 ? "x" : lines[at][..random.Next(lines[at].Length)];
                return ($"line {at + 1} cut", string.Join('\n', lines));
            case 5 or 6 or 7:
                return Part(text, "0123456789.", Numbers, "number");
            case 8:
                return Part(text, "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ", Units, "word");
            case 9 or 10:
                return Part(text, "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ-_0123456789",
                    [.. Texts, words.Word(random), words.Word(random), words.Word(random), words.Word(random),
                        new string('L', random.Next(1, 12_000))], "text");
            case 11:
                var many = random.Next(1, 400);
                return ($"{many} brackets in line {at + 1}",
                    With(lines, at,
                        lines[at]
                            + (random.Next(2) == 0 ? new string('[', many) : string.Concat(Enumerable.Repeat("a.", many)) + "b = 1")));
            case 12:
                lines.InsertRange(at, words.Table(random));
                return ($"a table of another project before {at + 1}", string.Join('\n', lines));
            default:
                return ($"line {at + 1} many times", With(lines, at, string.Join('\n', Enumerable.Repeat(lines[at], random.Next(2, 300)))));
        }
    }

    private static string With(List<string> lines, int at, string line)
    {
        lines[at] = line;
        return string.Join('\n', lines);
    }

    private (string Done, string Text) Part(string text, string letters, string[] by, string what)
    {
        if (text.Length == 0)
        {
            return ("nothing", text);
        }

        var start = text.AsSpan(random.Next(text.Length)).IndexOfAny(letters);
        start = start < 0 ? text.AsSpan().IndexOfAny(letters) : random.Next(text.Length);
        start = Math.Max(0, start);
        while (start < text.Length - 1 && !letters.Contains(text[start], StringComparison.Ordinal))
        {
            start++;
        }

        while (start > 0 && letters.Contains(text[start - 1], StringComparison.Ordinal))
        {
            start--;
        }

        var end = start;
        while (end < text.Length && letters.Contains(text[end], StringComparison.Ordinal))
        {
            end++;
        }

        var with = by[random.Next(by.Length)];
        var shown = with.Length > 40 ? string.Create(CultureInfo.InvariantCulture, $"{with[..10]}… ({with.Length})") : with;
        return ($"{what} {text[start..Math.Min(end, start + 40)]} → {shown}", text[..start] + with + text[end..]);
    }

    // A part of the workbook is changed as a text, or the file as bytes.
    private string Workbook(string path)
    {
        if (random.Next(4) == 0)
        {
            File.WriteAllBytes(path, Bytes(File.ReadAllBytes(path)));
            return "bytes of the workbook changed";
        }

        using var zip = ZipFile.Open(path, ZipArchiveMode.Update);
        var entry = zip.Entries[random.Next(zip.Entries.Count)];
        string text;
        using (var reader = new StreamReader(entry.Open()))
        {
            text = reader.ReadToEnd();
        }

        // Of one long line the parts between elements are what a line is elsewhere.
        var (done, changed) = Text(text.Replace("><", ">\n<", StringComparison.Ordinal));
        var name = entry.FullName;
        entry.Delete();
        using var writer = new StreamWriter(zip.CreateEntry(name).Open());
        writer.Write(changed);
        return $"{name}: {done}";
    }
}
