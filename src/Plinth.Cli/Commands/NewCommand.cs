using System.CommandLine;
using Plinth.Files;

namespace Plinth.Cli.Commands;

/// <summary>Starts a project.</summary>
internal static class NewCommand
{
    public static Command Build()
    {
        var command = new Command("new", """
            Starts a project: commented files, ready to fill.

            Examples:
              plinth new river-court
              plinth new river-court --units us
            """);
        var directory = new Argument<string>("dir") { Description = "Its folder; made if it is not there" };
        var units = new Option<string>("--units") { Description = "metric or us", DefaultValueFactory = _ => "metric" };
        units.AcceptOnlyFromAmong("metric", "us");
        command.Add(directory);
        command.Add(units);
        var common = new Common(command, needsProject: false);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(directory)!, parsed.GetValue(units)!));
        return command;
    }

    private static int Run(Call call, string directory, string units)
    {
        string[] names = ["plinth.toml", "supports.csv", "reactions.csv"];
        foreach (var name in names)
        {
            if (File.Exists(Path.Combine(directory, name)))
            {
                throw new CallException($"{Path.Combine(directory, name)} is already there; name another folder");
            }
        }

        Directory.CreateDirectory(directory);
        foreach (var name in names)
        {
            TextFile.WriteAtomically(Path.Combine(directory, name), Resource.Text($"new/{units}-{name}"));
        }

        if (!call.Quiet)
        {
            Console.Error.WriteLine($"Started {directory}: fill in supports.csv and reactions.csv, look through plinth.toml, then run: plinth size --project {directory}");
        }

        return ExitCode.Ok;
    }
}

/// <summary>Files built into the program.</summary>
internal static class Resource
{
    /// <summary>Names that begin so.</summary>
    public static IEnumerable<string> Names(string start) => typeof(Resource).Assembly.GetManifestResourceNames().Where(n => n.StartsWith(start, StringComparison.Ordinal)).Order(StringComparer.Ordinal);

    /// <summary>The text of a file.</summary>
    public static string Text(string name)
    {
        using var stream = typeof(Resource).Assembly.GetManifestResourceStream(name) ?? throw new InvalidOperationException($"no file {name} is built in");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }
}
