using System.Diagnostics;
using System.Globalization;

namespace Plinth.Fuzz;

/// <summary>Commands killed while they write: what they change is the old or the new, and nothing is left behind.</summary>
internal sealed class Kills(Target target)
{
    /// <summary>What a command changes, and what undoes what it needs.</summary>
    private sealed record Case(string Name, string[] Call, Action<string> Prepare);

    /// <summary>Kills so many.</summary>
    /// <returns>0 if nothing was found.</returns>
    public int Run(int runs, int seed)
    {
        using var corpus = new Corpus(target);
        var demo = corpus.Projects[0];
        Case[] cases =
        [
            new("size", ["size", "--all", "--over"], LargerBars),
            new("set", ["set", "F1", "thickness=700 mm"], _ => { }),
            new("group --types", ["group", "--types", FewestTypes(target, demo)], _ => { }),
            new("import", ["import"], Revised),
            new("issue", ["issue", "A", "--depth", "summary"], _ => { }),
            new("options --take", ["options", "F1", "--take", "1"], _ => { }),
        ];
        var found = 0;
        Console.WriteLine("command          kills  old  new  found");
        foreach (var (name, call, prepare) in cases)
        {
            var start = Folders.Fresh();
            Folders.Copy(demo, start);
            prepare(start);
            var old = State(start);

            // What it makes where nobody kills it, and how long that takes.
            var whole = Folders.Fresh();
            Folders.Copy(start, whole);
            var ran = target.Run(whole, call);
            var next = State(whole);
            var seconds = ran.Seconds;
            for (var again = 0; again < 2; again++)
            {
                var warm = Folders.Fresh();
                Folders.Copy(start, warm);
                seconds = Math.Min(seconds, target.Run(warm, call).Seconds);
                Directory.Delete(warm, true);
            }

            var (kills, olds, news, bad) = (runs / cases.Length, 0, 0, 0);
            if (Same(old, next) || ran.Exit == 2)
            {
                Console.WriteLine($"{name}: changes nothing ({ran.Error.Split('\n')[0]})");
                found++;
            }

            var random = new Random(seed);
            for (var i = 0; i < kills; i++)
            {
                var folder = Folders.Fresh();
                Folders.Copy(start, folder);

                // Most of them near the end, where it writes.
                Kill(folder, call, seconds * (random.Next(4) == 0 ? random.NextDouble() : 0.7 + (0.5 * random.NextDouble())));

                // The next command finds it whole: any that reads mends what was begun, and one that writes sweeps.
                target.Run(folder, "audit");
                var now = State(folder);
                var (isOld, isNew) = (Same(now, old), Same(now, next));
                (olds, news) = (olds + (isOld ? 1 : 0), news + (isNew ? 1 : 0));
                target.Run(folder, "set", "F2", "thickness=900 mm");
                if ((!isOld && !isNew) || Folders.Left(folder).Count > 0)
                {
                    bad++;
                    Console.WriteLine(
                        $"FOUND {name}: {(isOld || isNew ? "left behind: " + string.Join(", ", Folders.Left(folder)) : "neither old nor new: " + Difference(old, now))}");
                }

                Directory.Delete(folder, true);
            }

            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{name,-16} {kills,5} {olds,4} {news,4} {bad,6}"));
            found += bad;
            Directory.Delete(start, true);
            Directory.Delete(whole, true);
        }

        return found == 0 ? 0 : 1;
    }

    // The first row of the table that lists what there is.
    private static string FewestTypes(Target target, string demo)
    {
        var folder = Folders.Fresh();
        Folders.Copy(demo, folder);
        var table = target.Run(folder, "group").Out;
        Directory.Delete(folder, true);
        return table.Split('\n').Select(l => l.Trim().Split(' ')[0])
            .First(w => int.TryParse(w, NumberStyles.None, CultureInfo.InvariantCulture, out _));
    }

    private void Kill(string folder, string[] call, double after)
    {
        using var process = target.Start(folder, call);
        process.StandardInput.Close();
        var (output, error) = (process.StandardOutput.ReadToEndAsync(), process.StandardError.ReadToEndAsync());
        var watch = Stopwatch.StartNew();
        while (watch.Elapsed.TotalSeconds < after && !process.HasExited)
        {
            Thread.SpinWait(100);
        }

        process.Kill();
        process.WaitForExit();
        Task.WaitAll(output, error);
    }

    // The bars of footings, which are found; a pile's are held by its rules.
    private static void LargerBars(string folder)
    {
        var file = Path.Combine(folder, "adopted.toml");
        File.WriteAllLines(file,
            File.ReadAllLines(file)
                .Select(l => l.StartsWith("piles.", StringComparison.Ordinal) ? l : l.Replace("T16", "T20", StringComparison.Ordinal)));
    }

    // Reactions and one position of a support are new.
    private static void Revised(string folder)
    {
        foreach (var file in Directory.GetFiles(Path.Combine(folder, "raw"), "*.csv"))
        {
            var text = File.ReadAllText(file);
            File.WriteAllText(file, Path.GetFileName(file).Contains("nodes", StringComparison.Ordinal) ? Moved(text) : Larger(text));
        }
    }

    private static string Moved(string text)
    {
        var lines = text.Split('\n');
        for (var i = lines.Length - 1; i > 0; i--)
        {
            var cells = lines[i].Split(';');
            if (cells.Length > 2 && cells[0].Trim() == "101")
            {
                cells[1] = cells[1].Replace("0", "1", StringComparison.Ordinal);
                lines[i] = string.Join(';', cells);
            }
        }

        return string.Join('\n', lines);
    }

    private static string Larger(string text)
    {
        var lines = text.Split('\n');
        for (var i = 1; i < lines.Length; i++)
        {
            var cells = lines[i].Split(';');
            if (cells.Length > 5)
            {
                cells[4] = cells[4].Replace("1", "2", StringComparison.Ordinal);
                lines[i] = string.Join(';', cells);
            }
        }

        return string.Join('\n', lines);
    }

    // What the project is; drawings and reports of an issue count as they are.
    private static SortedDictionary<string, string> State(string folder)
    {
        var all = Folders.Digests(folder);
        foreach (var hidden in all.Keys.Where(k => Path.GetFileName(k).StartsWith('.')
            || k.Split('/').Any(p => p.StartsWith(".plinth", StringComparison.Ordinal))).ToList())
        {
            all.Remove(hidden);
        }

        return all;
    }

    private static bool Same(SortedDictionary<string, string> a, SortedDictionary<string, string> b) =>
        a.Count == b.Count && a.All(f => b.GetValueOrDefault(f.Key) == f.Value);

    private static string Difference(SortedDictionary<string, string> a, SortedDictionary<string, string> b) =>
        string.Join(", ", a.Keys.Union(b.Keys).Where(k => a.GetValueOrDefault(k) != b.GetValueOrDefault(k)));
}
