using System.CommandLine;
using System.Reflection;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Files.Access;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;

namespace Plinth.Cli;

/// <summary>The form of the results.</summary>
internal enum OutputFormat
{
    Table,
    Json,
    Csv,
}

/// <summary>The options that every command takes.</summary>
internal sealed class Common
{
    // What one array of the runtime holds.
    private const int MostLimit = 2000;

    private readonly Option<string?> project = new(
        "--project")
    {
        Description = "The project's folder (default: the nearest folder upwards that holds plinth.toml)",
        HelpName = "DIR"
    };
    private readonly Option<string> format = new("--format") { Description = "Form of the results", DefaultValueFactory = _ => "table" };
    private readonly Option<bool> quiet = new("--quiet") { Description = "Print results only where something fails, and no warnings" };
    private readonly Option<bool> verbose = new("--verbose") { Description = "Say more of what is done" };
    private readonly Option<int> limit = new("--limit")
    {
        Description = "Read files up to this size, MB",
        HelpName = "MB",
        DefaultValueFactory = _ => InputFile.UsualLimit
    };
    private readonly Option<bool> noColor = new("--no-color") { Description = "No colour (also by the variable NO_COLOR)" };

    /// <summary>Adds the options to a command.</summary>
    public Common(Command command, bool needsProject = true)
    {
        format.AcceptOnlyFromAmong("table", "json", "csv");
        if (needsProject)
        {
            command.Add(project);
            command.Add(format);
            command.Add(verbose);
            command.Add(limit);
        }

        command.Add(quiet);
        command.Add(noColor);
    }

    /// <summary>The options of a call.</summary>
    public Call Read(ParseResult parsed)
    {
        var most = parsed.GetValue(limit);
        InputFile.Limit = most == 0 ? InputFile.UsualLimit
            : most is > 0 and <= MostLimit ? most
            : throw new CallException($"--limit {most}: it is a size in MB, from 1 to {MostLimit}");
        return Of(parsed);
    }

    private Call Of(ParseResult parsed) => new(
        parsed.GetValue(project),
        parsed.GetValue(format) switch { "json" => OutputFormat.Json, "csv" => OutputFormat.Csv, _ => OutputFormat.Table },
        parsed.GetValue(quiet),
        parsed.GetValue(verbose),
        parsed.GetValue(noColor) || !string.IsNullOrEmpty(Environment.GetEnvironmentVariable("NO_COLOR")));
}

/// <summary>The options of a call.</summary>
internal sealed record Call(string? ProjectDirectory, OutputFormat Format, bool Quiet, bool Verbose, bool NoColor)
{
    /// <summary>Version of the program.</summary>
    public static string Version =>
        typeof(Call).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()!.InformationalVersion.Split('+')[0];

    /// <summary>Reads the project, printing warnings to standard error.</summary>
    /// <exception cref="CallException">No folder upwards is a project.</exception>
    /// <exception cref="InputException">Its files are wrong.</exception>
    /// <param name="elsewhere">Where the project's folder really stands, if a copy of it is read.</param>
    public LoadedProject Load(string? elsewhere = null)
    {
        var bag = Bag();
        var directory = Find();
        if (PendingWrites.Any(directory))
        {
            // A process died between two files, or is at it now: with its lock they are whole.
            Hold().Dispose();
        }

        var loaded = ProjectReader.Read(directory, bag, elsewhere: elsewhere) ?? throw new InputException(bag);
        if (!Quiet)
        {
            foreach (var w in loaded.Warnings)
            {
                Console.Error.WriteLine(w);
            }
        }

        return loaded;
    }

    /// <summary>Collects what is wrong with the input; files outside the project are quoted only where --verbose asks for it.</summary>
    public DiagnosticBag Bag() => new() { QuotesAll = Verbose };

    /// <summary>
    /// Keeps other processes from changing the project until it is disposed; before it is read, by whatever writes what it read.
    /// </summary>
    /// <exception cref="IOException">Another process is changing it.</exception>
    public ProjectLock Hold()
    {
        var held = ProjectLock.Take(Find());
        if (held.Mended.Count > 0)
        {
            Console.Error.WriteLine(
                $"plinth: a command had been stopped while it wrote; {string.Join(" and ", held.Mended)} "
                    + $"{(held.Mended.Count > 1 ? "are" : "is")} whole now");
        }

        return held;
    }

    /// <summary>Refuses a file named by the user that no output may replace.</summary>
    /// <exception cref="CallException">It is such a one.</exception>
    public static void MayWrite(LoadedProject loaded, string to)
    {
        if (OutputRules.Fault(to, loaded.Directory, loaded.Inputs) is { } fault)
        {
            throw new CallException(fault);
        }
    }

    /// <summary>The foundations that marks or patterns name; all if there are none.</summary>
    /// <exception cref="CallException">A mark names nothing.</exception>
    public static IReadOnlyList<Foundation> Choose(Project project, IReadOnlyList<string> marks)
    {
        if (marks.Count == 0)
        {
            return project.Foundations;
        }

        var chosen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var mark in marks)
        {
            var found = project.Foundations.Where(f => Pattern.Names(mark, f)).Select(f => f.Mark).ToList();
            if (found.Count == 0)
            {
                var under = project.Foundations.FirstOrDefault(f => f.Supports.Any(s => s.Label == mark));
                var near = under?.Mark ?? Nearest.Of(mark, project.Foundations.Select(f => f.Mark));
                throw new CallException($"no foundation has the mark \"{mark}\""
                    + (under is not null ? $"; support {mark} stands on {under.Mark}" : near is null ? "" : $"; did you mean {near}?"));
            }

            chosen.UnionWith(found);
        }

        return [.. project.Foundations.Where(f => chosen.Contains(f.Mark))];
    }

    /// <summary>One foundation, by its mark or a support that it carries.</summary>
    public static Foundation ChooseOne(Project project, string mark)
    {
        // The label of a support stands for its foundation, where no mark is like it.
        var under = project.Foundations.Any(f => Pattern.Names(mark, f))
            ? null
            : project.Foundations.FirstOrDefault(f => f.Supports.Any(s => s.Label == mark));
        var found = under is not null ? [under] : Choose(project, [mark]);
        return found.Count == 1 ? found[0] : throw new CallException($"\"{mark}\" names {found.Count} foundations; name one");
    }

    /// <summary>A file in the project's folder for what is made, as seen from here.</summary>
    public static string Out(LoadedProject loaded, string name)
    {
        var full = Path.Combine(Path.GetFullPath(loaded.Directory), "out", name);
        if (OutputRules.FaultOfOwn(full, loaded.Directory, loaded.Inputs) is { } fault)
        {
            throw new CallException(fault);
        }

        var relative = Path.GetRelativePath(Directory.GetCurrentDirectory(), full);
        return relative.StartsWith("..", StringComparison.Ordinal) ? full : relative;
    }

    /// <summary>Refuses to change what is built.</summary>
    /// <exception cref="CallException">It is.</exception>
    public static void NotBuilt(Foundation f)
    {
        if (f.Held.Built)
        {
            throw new CallException(
                $"{f.Mark} is built, as plinth.toml says: it is only checked (plinth check {f.Mark} --set tries values)");
        }
    }

    /// <summary>Refuses a combination that the project does not have, or that a foundation leaves out.</summary>
    /// <exception cref="CallException">It is such a one.</exception>
    public static void HasCombination(Project project, Foundation f, string combination)
    {
        string[] known = [.. PartialLive.Used(project, f).Select(c => c.Name)];
        if (known.Contains(combination))
        {
            return;
        }

        if (!project.Combinations.Used.Any(c => c.Name == combination))
        {
            var near = Nearest.Of(combination, [.. known, .. project.Combinations.Used.Select(c => c.Name)]);
            throw new CallException($"there is no combination \"{combination}\""
                + (near is null ? "; plinth combos lists them" : $"; did you mean {near}?"));
        }

        throw new CallException(f.Chosen is { } chosen
            ? $"{f.Mark} leaves out combination {combination}: {chosen.Note}"
            : $"{f.Mark} is not checked for {combination}, which is of walls that hold back soil; plinth combos "
                + $"{f.Supports.First().Label} lists those it is checked for");
    }

    /// <summary>The project's folder.</summary>
    /// <exception cref="CallException">No folder upwards is a project.</exception>
    public string Find()
    {
        if (ProjectDirectory is { } given)
        {
            return Directory.Exists(given) ? given : throw new CallException($"there is no folder {given}");
        }

        for (var at = new DirectoryInfo(Directory.GetCurrentDirectory()); at is not null; at = at.Parent)
        {
            if (File.Exists(Path.Combine(at.FullName, ProjectReader.FileName)))
            {
                return at.FullName;
            }
        }

        throw new CallException(
            "no plinth.toml in this folder or above it; go to a project, name one with --project, or start one with: plinth new DIR");
    }
}
