namespace Plinth.Fuzz;

/// <summary>The projects that are mutated, and what stands in them.</summary>
internal sealed class Corpus : IDisposable
{
    private readonly string root = Folders.Fresh();
    private readonly List<string> lines = [];
    private readonly List<string[]> tables = [];
    private readonly List<string> words = [];

    /// <summary>Makes the projects: the demo, the buildings of the tests, and one that asks for all that a footing can have.</summary>
    public Corpus(Target target)
    {
        var demo = Path.Combine(root, "demo");
        target.Run(root, "demo", demo);
        Directory.Delete(Path.Combine(demo, "out"), true);
        Projects.Add(demo);
        foreach (var building in Directory.GetDirectories(Path.Combine(Target.Root, "tests/buildings")))
        {
            var copy = Path.Combine(root, Path.GetFileName(building));
            Folders.Copy(building, copy);
            target.Run(copy, "size", "--quiet");
            Projects.Add(copy);
        }

        var rich = Path.Combine(root, "rich");
        Folders.Copy(Path.Combine(Target.Root, "tests/Plinth.Fuzz/rich"), rich);
        target.Run(rich, "size", "--quiet");
        Projects.Add(rich);
        var book = Path.Combine(root, "book");
        Folders.Copy(rich, book);
        Workbook.Write(Path.Combine(book, "raw/base.xlsx"),
            [.. File.ReadAllLines(Path.Combine(rich, "raw/base.csv")).Select(l => l.Split(';'))]);
        File.WriteAllText(Path.Combine(book, "plinth.toml"),
            File.ReadAllText(Path.Combine(rich, "plinth.toml")).Replace("raw/base.csv", "raw/base.xlsx", StringComparison.Ordinal));
        Projects.Add(book);
        foreach (var project in Projects)
        {
            Read(File.ReadAllLines(Path.Combine(project, "plinth.toml")));
            Read(File.ReadAllLines(Path.Combine(project, "adopted.toml")));
        }

        // What docs/files.md names in code: keys and values that no project may use.
        words.AddRange(File.ReadAllText(Path.Combine(Target.Root, "docs/files.md")).Split('`')
            .Where((_, i) => i % 2 == 1)
            .SelectMany(w => w.Split(',', ' '))
            .Where(w => w.Length > 0));
    }

    public List<string> Projects { get; } = [];

    public string Line(Random random) => lines[random.Next(lines.Count)];

    public string Word(Random random) => words[random.Next(words.Count)];

    public string[] Table(Random random) => tables[random.Next(tables.Count)];

    public void Dispose() => Directory.Delete(root, true);

    private void Read(string[] file)
    {
        lines.AddRange(file.Where(l => l.Length > 0));
        var heads = file.Select((l, i) => (l, i)).Where(p => p.l.StartsWith('[')).Select(p => p.i).Append(file.Length).ToList();
        tables.AddRange(heads.Zip(heads.Skip(1)).Select(p => file[p.First..p.Second]));
    }
}
