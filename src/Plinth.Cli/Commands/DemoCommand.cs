using System.CommandLine;
using Plinth.Files;

namespace Plinth.Cli.Commands;

/// <summary>Lays down the demo project and runs the whole job on it.</summary>
internal static class DemoCommand
{
    public static Command Build()
    {
        var command = new Command("demo", """
            Lays down the demo project, the Wherry Lane Archive, and runs the whole job on it, showing each command.

            Examples:
              plinth demo
              plinth demo /tmp/archive
            """);
        var directory = new Argument<string>("dir")
        {
            Description = "Its folder; made if it is not there",
            DefaultValueFactory = _ => "wherry-lane"
        };
        command.Add(directory);
        var common = new Common(command, needsProject: false);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(directory)!));
        return command;
    }

    private static int Run(Call call, string directory)
    {
        foreach (var name in Resource.Names("demo/"))
        {
            var path = Path.Combine(directory, name["demo/".Length..]);
            if (File.Exists(path) && File.ReadAllText(path) != Resource.Text(name))
            {
                throw new CallException($"{path} is there and differs from the demo's; name another folder");
            }
        }

        Directory.CreateDirectory(directory);
        foreach (var name in Resource.Names("demo/"))
        {
            var path = Path.Combine(directory, name["demo/".Length..]);
            if (!File.Exists(path))
            {
                Directory.CreateDirectory(Path.GetDirectoryName(path)!);
                TextFile.WriteAtomically(path, Resource.Text(name));
            }
        }

        string[] color = call.NoColor ? ["--no-color"] : [];
        var exit = ExitCode.Ok;
        foreach (var (build, line) in new (Func<Command>, string[])[] { (ImportCommand.Build, ["import"]), (AuditCommand.Build, ["audit"]),
            (SizeCommand.Build, ["size"]), (CheckCommand.Build, ["check"]), (ScheduleCommand.Build, ["schedule"]),
            (DrawCommand.Build, ["draw"]), (ReportCommand.Build, ["report"]) })
        {
            string[] arguments = [.. line, "--project", directory, .. color];
            Console.Out.WriteLine();
            Console.Out.WriteLine("$ plinth " + string.Join(' ', arguments));
            Console.Out.WriteLine();
            Console.Out.Flush();
            exit = Math.Max(exit,
                new RootCommand { build() }.Parse(arguments).Invoke(new InvocationConfiguration { EnableDefaultExceptionHandler = false }));
        }

        return exit;
    }
}
