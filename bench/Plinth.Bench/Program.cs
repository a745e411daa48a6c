using System.Globalization;
using BenchmarkDotNet.Running;
using Plinth.Bench;

// generate N DIR [COLUMNS] lays down a project of N bases under so many columns each (default: one) and 12 cases; anything else goes to BenchmarkDotNet.
if (args is ["generate", var count, var directory, .. var columns])
{
    GeneratedProject.Write(int.Parse(count, CultureInfo.InvariantCulture), directory, columns is [var each] ? int.Parse(each, CultureInfo.InvariantCulture) : 1);
    return 0;
}

BenchmarkSwitcher.FromAssembly(typeof(GeneratedProject).Assembly).Run(args);
return 0;
