using System.CommandLine;
using Plinth.Cli.Output;
using Plinth.Core.Kinds;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Reading;

namespace Plinth.Cli.Commands;

/// <summary>Writes values to adopted.toml and checks them at once.</summary>
internal static class SetCommand
{
    public static Command Build()
    {
        var command = new Command("set", """
            Writes values of one foundation to adopted.toml, keeping all else in it, and checks the foundation.

            Examples:
              plinth set F7 width="2.2 m"
              plinth set F7 thickness="550 mm" bottom-x="14 T16" bottom-y="14 T16"
              plinth set CF1 bottom-y.at.C22="5 T16"                 bars across in the band at a column

            Keys are those of the foundation's table in adopted.toml:
            """ + "\n" + Keys());
        var mark = new Argument<string>("mark") { Description = "The mark" };
        var pairs = new Argument<string[]>("KEY=VALUE")
        {
            Description = "A key of the foundation's table in adopted.toml, and its value",
            Arity = ArgumentArity.OneOrMore
        };
        command.Add(mark);
        command.Add(pairs);
        var common = new Common(command);
        command.SetAction(parsed => Run(common.Read(parsed), parsed.GetValue(mark)!, parsed.GetValue(pairs)!));
        return command;
    }

    // Of every kind, the support of an example in a key.
    private static string Keys() => string.Join('\n', FoundationKinds.All.Select(kind =>
    {
        string[] supports = kind.UnderSeveral ? ["C5", "C9"] : ["C5"];
        var keys = FieldText.Keys(kind.Fields(supports)).Where(k => !k.Contains(".C9", StringComparison.Ordinal));
        return $"  {kind.Id}{(kind.Sign is { } sign ? $" with {sign}" : "")}: {string.Join(", ", keys)}";
    }));

    private static int Run(Call call, string mark, string[] pairs)
    {
        using var hold = call.Hold();
        var loaded = call.Load();
        var f = Call.ChooseOne(loaded.Project, mark);
        var old = loaded.Design(f) ?? throw new CallException($"{f.Mark} is not sized yet; run: plinth size {f.Mark}");
        Call.NotBuilt(f);
        var design = CheckCommand.With(loaded, f, old, pairs);
        if (DesignFaults.Contradiction(f, design, loaded.Project.Units) is { } held)
        {
            throw new CallException($"{f.Mark}: {held}; change it there (plinth check {f.Mark} --set tries values)");
        }

        var fields = f.Kind.Fields(f.Places[0]);

        // Where a value takes the place of others, as a hexagon's distance to the edges that of its sides, those go.
        var instead = fields.Any(x => x.Get(old) is not null && x.Get(design) is null);
        var values = instead
            ? AdoptedEntry.Write(f, design, loaded.Project.Units == UnitSystem.Us).Where(v => v.Key != "found").ToList()
            : [.. pairs.Select(CheckCommand.Split).Select(p => FieldText.Written(fields, design, p.Key, p.Value))];
        var text = AdoptedEditor.Set(loaded.AdoptedText, [(f.Mark, values)], whole: instead);
        loaded.Adopt(text);
        var reports = CheckCommand.Check(loaded, [f], _ => design);
        var exit = CheckCommand.Print(call, loaded, reports, screen => ResultTables.Checks(screen, loaded, reports, call.Quiet));
        if (!call.Quiet)
        {
            if (f.Row is { Grid: var grid })
            {
                Console.Error.WriteLine($"{f.Mark} is a row of the grid {grid}: with its sizes the other rows carry other shares; "
                    + $"plinth check {grid} checks all");
            }

            Console.Error.WriteLine(
                $"Written to {loaded.AdoptedPath}; {f.Mark} is held from now on (plinth size {f.Mark} --over frees it)");
        }

        return exit;
    }
}
