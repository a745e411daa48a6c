using System.Collections.Concurrent;
using System.Text.Json;

namespace Plinth.Fuzz;

/// <summary>
/// Holds two builds against each other: the same bytes of every output of the demo, the buildings of the tests and whatever projects are
/// named.
/// </summary>
/// <param name="before">The earlier build.</param>
/// <param name="now">The later build.</param>
internal sealed class Sameness(Target before, Target now)
{
    private const int MarksTraced = 3;

    // Not group: it seeks for a stated time, so what it finds depends on how busy the machine is.
    private static readonly string[][] Calls =
    [
        ["size", "--all", "--why"], ["check", "--format", "json", "--room"], ["check"], ["check", "--format", "csv"], ["schedule"],
        ["schedule", "--format", "json"],
        ["schedule", "--to", "out/s.xlsx"], ["audit", "--format", "json"], ["combos", "--format", "json"], ["status"],
        ["draw", "--what", "plan", "--to", "out/plan.svg"], ["draw", "--what", "plan", "--to", "out/plan.dxf"],
        ["draw", "--what", "detail", "--to", "out/detail.svg"],
        ["draw", "--what", "detail", "--to", "out/detail.dxf"], ["draw", "--what", "detail", "--to", "out/detail.pdf"],
        ["draw", "--what", "pressure", "--to", "out/pressure.svg"],
        ["draw", "--what", "sections", "--to", "out/sections.svg"], ["draw", "--what", "forces", "--to", "out/forces.svg"],
        ["draw", "--what", "utilisation", "--to", "out/u.png"],
        ["report", "--depth", "full", "--to", "out/full.html"], ["report", "--depth", "checks", "--to", "out/r.pdf"],
        ["report", "--depth", "checks", "--to", "out/r.docx"],
    ];

    /// <summary>Compares all outputs.</summary>
    /// <param name="more">Folders of further projects.</param>
    /// <returns>0 if all are the same.</returns>
    public int Run(IReadOnlyList<string> more)
    {
        var projects = new List<string> { Path.Combine(Target.Root, "demo/wherry-lane"),
            Path.Combine(Target.Root, "tests/Plinth.Fuzz/rich") };
        projects.AddRange(Directory.GetDirectories(Path.Combine(Target.Root, "tests/buildings")).Order(StringComparer.Ordinal));
        projects.AddRange(more);
        var (compared, different) = (0, new ConcurrentBag<string>());
        Parallel.ForEach(projects, project =>
        {
            var (old, own) = (Outputs(before, project), Outputs(now, project));
            Interlocked.Add(ref compared, own.Count);
            foreach (var name in old.Keys.Union(own.Keys).Where(n => old.GetValueOrDefault(n) != own.GetValueOrDefault(n)))
            {
                different.Add($"{project}: {name}");
            }
        });
        foreach (var name in different.Order(StringComparer.Ordinal))
        {
            Console.WriteLine(name);
        }

        Console.WriteLine($"{compared} outputs of {projects.Count} projects compared, {different.Count} differ.");
        return different.IsEmpty ? 0 : 1;
    }

    private static SortedDictionary<string, string> Outputs(Target target, string project)
    {
        var folder = Folders.Fresh();
        var copy = Path.Combine(folder, "project");
        Folders.Copy(project, copy);
        var told = new SortedDictionary<string, string>(StringComparer.Ordinal);
        void Tell(string name, Ran ran) =>
            told[name] = string.Join('\n', ran.Exit, ran.Out, ran.Error).Replace(folder, "", StringComparison.Ordinal);
        foreach (var call in Calls)
        {
            Tell(string.Join(' ', call), target.Run(copy, call));
        }

        foreach (var (mark, checks) in Marks(target.Run(copy, "check", "--format", "json").Out).Take(MarksTraced))
        {
            Tell($"show {mark}", target.Run(copy, "show", mark, "--why", "--places"));
            Tell($"options {mark}", target.Run(copy, "options", mark, "--format", "json"));
            foreach (var check in checks)
            {
                Tell($"show {mark} {check}", target.Run(copy, "show", mark, check, "--format", "json"));
            }
        }

        foreach (var (name, digest) in Folders.Digests(copy))
        {
            told["file " + name] = digest;
        }

        Directory.Delete(folder, true);
        return told;
    }

    private static IEnumerable<(string Mark, IReadOnlyList<string> Checks)> Marks(string json)
    {
        if (json.Length == 0 || json[0] != '{')
        {
            yield break;
        }

        using var document = JsonDocument.Parse(json);
        foreach (var f in document.RootElement.GetProperty("foundations").EnumerateArray())
        {
            yield return (f.GetProperty("mark").GetString()!,
                [.. f.GetProperty("checks").EnumerateArray().Select(c => c.GetProperty("id").GetString()!).Distinct()]);
        }
    }
}
