using System.Globalization;
using BenchmarkDotNet.Running;
using Plinth.Bench;

// generate N DIR [COLUMNS | piles] lays down a project of N bases under so many columns each (default: one), or of N caps on piles, and 12
// cases; anything else goes to BenchmarkDotNet.
if (args is ["generate", var count, var directory, .. var of])
{
    var piles = of is ["piles"];
    GeneratedProject.Write(int.Parse(count, CultureInfo.InvariantCulture), directory,
        of is [var each] && !piles ? int.Parse(each, CultureInfo.InvariantCulture) : 1, piles);
    return 0;
}

BenchmarkSwitcher.FromAssembly(typeof(GeneratedProject).Assembly).Run(args);
return 0;
