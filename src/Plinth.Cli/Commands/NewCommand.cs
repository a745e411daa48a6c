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

            Typical values of the ground, to hold a report against; none is ever used unless you write it:
              bearing            soft clay 50 to 100, stiff clay 150 to 300, dense sand 200 to 500 kPa
              friction-angle     loose sand 28 to 30, medium 30 to 35, dense 35 to 40 deg; stiff clay 20 to 28 (drained)
              undrained          soft clay 10 to 40, firm 40 to 75, stiff 75 to 150 kPa
              subgrade-modulus   soft clay 5 to 15, stiff clay 15 to 40, medium sand 10 to 80 MN/m3
              modulus            soft clay 2 to 5, stiff clay 10 to 40, loose sand 10 to 25, dense sand 50 to 80 MPa
              friction           clay 0.30 to 0.40, sand 0.40 to 0.55
              soil-weight        16 to 19 kN/m3 moist; soil-weight-saturated 18 to 21
              adhesion-factor    of piles: soft clay 0.8 to 1.0, firm 0.5 to 0.8, stiff 0.35 to 0.5
              shaft-factor       of piles: loose sand 0.2 to 0.3, medium 0.3 to 0.4, dense 0.4 to 0.6; bored piles the lower
              base               of piles: medium sand 2 to 4, dense 4 to 10 MPa; shaft-limit 50 to 110 kPa; safety 2 to 3
              modulus-rise       of piles: soft clay, loose sand below water 1 to 5, dense sand 5 to 15 MN/m3
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
            Console.Error.WriteLine(
                $"Started {directory}: fill in supports.csv and reactions.csv, look through plinth.toml, then run: plinth size --project "
                    + $"{directory}");
        }

        return ExitCode.Ok;
    }
}

/// <summary>Files built into the program.</summary>
internal static class Resource
{
    /// <summary>Names that begin so.</summary>
    public static IEnumerable<string> Names(string start) =>
        typeof(Resource).Assembly.GetManifestResourceNames()
            .Where(n => n.StartsWith(start, StringComparison.Ordinal))
            .Order(StringComparer.Ordinal);

    /// <summary>The text of a file.</summary>
    public static string Text(string name)
    {
        using var stream = typeof(Resource).Assembly.GetManifestResourceStream(name)
            ?? throw new InvalidOperationException($"no file {name} is built in");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }
}
