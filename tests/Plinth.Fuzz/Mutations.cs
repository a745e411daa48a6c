using System.Collections.Concurrent;
using System.Globalization;

namespace Plinth.Fuzz;

/// <summary>
/// Mutated projects through every command: what must never be fails the run, and its least reproducer is printed and kept.
/// </summary>
internal sealed class Mutations(Target target, string keep)
{
    private const int MostTrials = 120;

    private static readonly string[][] Calls =
    [
        ["check"], ["check", "--format", "json"], ["check", "--format", "csv"], ["check", "--worst", "5"],
        ["size", "--all", "--format", "json"], ["size", "--all", "--over"], ["size", "--dry-run", "--why", "--all"], ["size"],
        ["show", "MARK"], ["show", "MARK", "--why"], ["show", "MARK", "two-way-shear"], ["show", "MARK", "bearing", "--format", "json"],
        ["show", "MARK", "--settings"],
        ["combos"], ["combos", "--format", "csv"], ["combos", "SUPPORT", "--envelope"], ["audit"], ["audit", "--format", "json"],
        ["status"], ["status", "--format", "json"],
        ["schedule"], ["schedule", "--format", "json"], ["schedule", "--what", "bars", "--format", "csv"],
        ["schedule", "--to", "out/s.xlsx"],
        ["draw", "--to", "out/p.pdf"], ["draw", "--to", "out/p.dxf"], ["draw", "MARK", "--to", "out/d.svg"],
        ["draw", "MARK", "--what", "pressure", "--to", "out/q.png"], ["draw", "--what", "utilisation", "--to", "out/u.svg"],
        ["report", "--depth", "summary", "--to", "out/r.html"], ["report", "MARK", "--depth", "full", "--to", "out/r.pdf"],
        ["report", "MARK", "--to", "out/r.docx"],
        ["group"], ["group", "--types", "3"], ["options", "MARK"], ["options", "MARK", "--take", "1"], ["set", "MARK", "thickness=700 mm"],
        ["set", "MARK", "bottom-x=12 T20"],
        ["import"], ["import", "--dry-run"], ["import", "RAW"], ["import", "--dry-run", "--format", "json"],
        ["issue", "A", "--depth", "summary", "--anyway"], ["compare", "OTHER"],
    ];

    private readonly object turn = new();

    /// <summary>Runs so many.</summary>
    /// <returns>0 if nothing was found.</returns>
    public int Run(int runs, int seed)
    {
        using var corpus = new Corpus(target);
        var exits = new ConcurrentDictionary<int, int>();
        var (found, slowest, largest) = (0, new Ran(0, 0, 0, "", ""), 0L);
        var slow = new ConcurrentBag<int>();
        Parallel.For(0, runs, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount }, i => Look(i, false));

        // What took too long beside others runs once more alone: a program is promised the machine.
        foreach (var i in slow.Order())
        {
            Look(i, true);
        }

        void Look(int i, bool alone)
        {
            var random = new Random(unchecked((seed * 1_000_003) + i));
            var project = corpus.Projects[random.Next(corpus.Projects.Count)];
            string[] call = [.. Calls[random.Next(Calls.Length)]
                .Select(a => a == "MARK" ? "F" + random.Next(1, 5).ToString(CultureInfo.InvariantCulture)
                    : a == "SUPPORT" ? "C" + random.Next(1, 4).ToString(CultureInfo.InvariantCulture)
                    : a == "OTHER" ? project
                    : a)];
            var raw = Directory.Exists(Path.Combine(project, "raw"))
                ? Directory.GetFiles(Path.Combine(project, "raw"))
                : [Path.Combine(project, "reactions.csv")];
            call = [.. call.Select(a => a == "RAW" ? Path.GetRelativePath(project, raw[random.Next(raw.Length)]) : a)];
            var folder = Folders.Fresh();
            try
            {
                Folders.Copy(project, folder);
                var done = Mutate(folder, call, random, corpus);
                using var mutated = new Kept(folder);
                var (ran, fault) = Try(mutated, call);
                if (fault == Judge.TooSlow && !alone)
                {
                    slow.Add(i);
                    return;
                }

                if (fault == Judge.TooSlow)
                {
                    // A machine that stood still for a moment is no finding.
                    (ran, fault) = Try(mutated, call);
                }

                exits.AddOrUpdate(ran.Exit, 1, (_, n) => n + 1);
                lock (turn)
                {
                    slowest = ran.Seconds > slowest.Seconds ? ran : slowest;
                    largest = Math.Max(largest, ran.Megabytes);
                }

                if (fault is not null)
                {
                    Interlocked.Increment(ref found);
                    Report(i, seed, project, mutated, call, done, fault);
                }
            }
            finally
            {
                Delete(folder);
            }
        }

        Console.WriteLine();
        Console.WriteLine("exit   runs");
        foreach (var (exit, count) in exits.OrderBy(e => e.Key))
        {
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{exit,4} {count,6:#,0}"));
        }

        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"slowest {slowest.Seconds:0.00} s, most memory {largest} MB, seed {seed}: {(found == 0 ? "nothing found" : $"{found} FOUND")}"));
        return found == 0 ? 0 : 1;
    }

    /// <summary>Judges one call on a folder, which is left as it is.</summary>
    public static int Once(Target target, string folder, string[] call)
    {
        using var kept = new Kept(folder);
        var (ran, fault) = Try(target, kept, call);
        Console.Write(ran.Error);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"exit {ran.Exit}, {ran.Seconds:0.00} s, {ran.Megabytes} MB: {fault ?? "nothing found"}"));
        return fault is null ? 0 : 1;
    }

    private static List<string> Mutate(string folder, string[] call, Random random, Corpus corpus)
    {
        var mutator = new Mutator(random, corpus);
        var files = Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .Where(f => Path.GetExtension(f) is ".toml" or ".csv" or ".xlsx"
                && (call[0] == "import" || !f.Contains("/raw/", StringComparison.Ordinal)))
            .Order(StringComparer.Ordinal)
            .ToList();
        var done = new List<string>();
        for (var n = random.Next(2) == 0 ? 1 : random.Next(1, 4); n > 0; n--)
        {
            // The rules are the richest in what may go wrong.
            var file = random.Next(2) == 0 ? Path.Combine(folder, "plinth.toml") : files[random.Next(files.Count)];
            if (File.Exists(file) && new FileInfo(file).LinkTarget is null)
            {
                done.Add($"{Path.GetRelativePath(folder, file)}: {mutator.Change(file)}");
            }
        }

        return done;
    }

    private (Ran Ran, string? Fault) Try(Kept mutated, string[] call) => Try(target, mutated, call);

    private static (Ran Ran, string? Fault) Try(Target target, Kept mutated, string[] call)
    {
        var folder = Folders.Fresh();
        try
        {
            mutated.LayDown(folder);
            var before = mutated.Regular(folder);
            var ran = target.Run(folder, call);
            return (ran, Judge.Fault(target, folder, before, call, ran));
        }
        finally
        {
            Delete(folder);
        }
    }

    private void Report(int run, int seed, string project, Kept mutated, string[] call, List<string> done, string fault)
    {
        // The kind of a fault without what differs from run to run.
        static string Kind(string fault) => fault.Split(':')[0];
        var trials = 0;
        bool Fails(Kept kept) => trials++ < MostTrials && Try(kept, call).Fault is { } again && Kind(again) == Kind(fault);
        var least = mutated.Clone();
        foreach (var file in least.Texts.ToList())
        {
            var lines = least[file].Split('\n').ToList();
            for (var size = Math.Max(1, lines.Count / 2); size >= 1 && trials < MostTrials; size /= 2)
            {
                for (var at = 0; at < lines.Count && trials < MostTrials;)
                {
                    var fewer = lines.Take(at).Concat(lines.Skip(at + size)).ToList();
                    var trial = least.Clone();
                    trial[file] = string.Join('\n', fewer);
                    if (fewer.Count > 0 && Fails(trial))
                    {
                        (lines, least) = (fewer, trial);
                    }
                    else
                    {
                        at += size;
                    }
                }
            }
        }

        lock (turn)
        {
            var to = Path.Combine(keep, string.Create(CultureInfo.InvariantCulture, $"{seed}-{run}"));
            if (Directory.Exists(to))
            {
                Directory.Delete(to, true);
            }

            Directory.CreateDirectory(to);
            least.LayDown(to);
            Console.WriteLine($"FOUND run {run} of seed {seed} ({Path.GetFileName(project)}): {fault}");
            Console.WriteLine($"  plinth {string.Join(' ', call)}");
            done.ForEach(d => Console.WriteLine("  " + d.ReplaceLineEndings(" ")));
            Console.WriteLine(
                $"  {to}: {string.Join(", ", least.Texts.Select(t => string.Create(CultureInfo.InvariantCulture, $"{t} {least[t].Length} characters")))}");
        }
    }

    private static void Delete(string folder)
    {
        if (Directory.Exists(folder))
        {
            Directory.Delete(folder, true);
        }
    }

    /// <summary>A folder's files in memory, links as links.</summary>
    private sealed class Kept : IDisposable
    {
        private readonly Dictionary<string, object> files = new(StringComparer.Ordinal);

        public Kept(string folder)
        {
            foreach (var entry in new DirectoryInfo(folder).EnumerateFileSystemInfos("*", SearchOption.AllDirectories))
            {
                var name = Path.GetRelativePath(folder, entry.FullName);
                files[name] = entry.LinkTarget is { } link ? ("link", link)
                    : entry is FileInfo ? File.ReadAllBytes(entry.FullName)
                    : ("folder", "");
            }
        }

        private Kept(Dictionary<string, object> files) => this.files = files;

        public IEnumerable<string> Texts =>
            files.Where(f => f.Value is byte[] && Path.GetExtension(f.Key) is ".toml" or ".csv")
                .Select(f => f.Key)
                .Order(StringComparer.Ordinal);

        // Latin-1, in which every byte is a character, so that nothing is changed on the way.
        public string this[string file]
        {
            get => System.Text.Encoding.Latin1.GetString((byte[])files[file]);
            set => files[file] = System.Text.Encoding.Latin1.GetBytes(value);
        }

        public Kept Clone() => new(new Dictionary<string, object>(files, StringComparer.Ordinal));

        public void LayDown(string folder)
        {
            foreach (var (name, content) in files.OrderBy(f => f.Key, StringComparer.Ordinal))
            {
                var path = Path.Combine(folder, name);
                Directory.CreateDirectory(Path.GetDirectoryName(path)!);
                switch (content)
                {
                    case byte[] bytes:
                        File.WriteAllBytes(path, bytes);
                        break;
                    case ("link", string link):
                        File.CreateSymbolicLink(path, link);
                        break;
                    default:
                        Directory.CreateDirectory(path);
                        break;
                }
            }
        }

        public SortedDictionary<string, string> Regular(string folder) =>
            new(files.Where(f => f.Value is byte[])
                .ToDictionary(f => f.Key, f => Convert.ToHexString(System.Security.Cryptography.SHA256.HashData((byte[])f.Value))),
                StringComparer.Ordinal);

        public void Dispose() => files.Clear();
    }
}
