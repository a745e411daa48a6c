using BenchmarkDotNet.Running;
using Plinth.Bench;

// generate N DIR lays down a project of N supports and 12 cases; anything else goes to BenchmarkDotNet.
if (args is ["generate", var count, var directory])
{
    GeneratedProject.Write(int.Parse(count, System.Globalization.CultureInfo.InvariantCulture), directory);
    return 0;
}

BenchmarkSwitcher.FromAssembly(typeof(GeneratedProject).Assembly).Run(args);
return 0;
