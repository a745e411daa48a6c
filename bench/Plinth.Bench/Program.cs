using System.Globalization;
using BenchmarkDotNet.Running;
using Plinth.Bench;

// generate N DIR [COLUMNS | piles | straps | walls | grids] lays down a project of N bases under so many columns each (default: one), of N caps
// on piles, N straps, N wall footings, or N grids of strips under 40 columns each, and 12 cases; anything else goes to BenchmarkDotNet.
if (args is ["generate", var count, var directory, .. var of])
{
    var kind = of switch { ["piles"] => "pile-cap", ["straps"] => "strap", ["walls"] => "wall", ["grids"] => "grid", _ => "" };
    var columns = kind == "strap" ? 2 : kind.Length == 0 && of is [var each] ? int.Parse(each, CultureInfo.InvariantCulture) : 1;
    GeneratedProject.Write(int.Parse(count, CultureInfo.InvariantCulture), directory, columns, kind);
    return 0;
}

BenchmarkSwitcher.FromAssembly(typeof(GeneratedProject).Assembly).Run(args);
return 0;
