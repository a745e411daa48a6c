using System.Globalization;
using Plinth.Fuzz;

const string Usage = """
    Plinth.Fuzz mutate --runs 2000 --seed 1     mutated projects through every command
    Plinth.Fuzz kill   --runs 300  --seed 1     commands killed while they write
    Plinth.Fuzz pairs  --runs 200               two commands at one project
    Plinth.Fuzz same   --before FILE FOLDER …   every output of two builds, to the byte: demo, buildings, folders named
    Plinth.Fuzz file   FOLDER COMMAND …         judges one call on a folder as mutate does

    --program FILE   another build (default: artifacts/publish/plinth)
    --keep FOLDER    where reproducers go (default: artifacts/fuzz)
    """;

int Number(string name, int fallback) =>
    Array.IndexOf(args, name) is >= 0 and var i && i + 1 < args.Length ? int.Parse(args[i + 1], CultureInfo.InvariantCulture) : fallback;
string Text(string name, string fallback) => Array.IndexOf(args, name) is >= 0 and var i && i + 1 < args.Length ? args[i + 1] : fallback;

var program = Path.GetFullPath(Text("--program", Path.Combine(Target.Root, "artifacts/publish/plinth")));
if (!File.Exists(program))
{
    Console.Error.WriteLine($"there is no {program}; publish it first: dotnet publish src/Plinth.Cli -c Release -o artifacts/publish");
    return 2;
}

var target = new Target(program);
var keep = Path.GetFullPath(Text("--keep", Path.Combine(Target.Root, "artifacts/fuzz")));
return args.FirstOrDefault() switch
{
    "mutate" => new Mutations(target, keep).Run(Number("--runs", 2000), Number("--seed", 1)),
    "kill" => new Kills(target).Run(Number("--runs", 300), Number("--seed", 1)),
    "pairs" => new Pairs(target).Run(Number("--runs", 200)),
    "same" when Text("--before", "") is { Length: > 0 } earlier =>
        new Sameness(new Target(Path.GetFullPath(earlier)), target).Run([.. args.Skip(1).Where(Directory.Exists).Select(Path.GetFullPath)]),
    "file" when args.Length > 2 => Mutations.Once(target, args[1], args[2..]),
    _ => Help(),
};

int Help()
{
    Console.Error.WriteLine(Usage);
    return 2;
}
