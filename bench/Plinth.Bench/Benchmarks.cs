using BenchmarkDotNet.Attributes;
using Plinth.Core.Contact;
using Plinth.Core.Sizing;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;

namespace Plinth.Bench;

/// <summary>One contact solution: in the kern, lifted one way, lifted both ways, near a corner.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class ContactBenchmarks
{
    [Benchmark(Baseline = true)]
    public ContactSolution Kern() => ContactSolver.Rectangle(3, 2, 600, 0.25, 0.1);

    [Benchmark]
    public ContactSolution OneWayLiftOff() => ContactSolver.Rectangle(3, 2, 600, 0.75, 0);

    [Benchmark]
    public ContactSolution BiaxialLiftOff() => ContactSolver.Rectangle(3, 2, 600, 0.6, 0.4);

    [Benchmark]
    public ContactSolution BiaxialLiftOffPolygon()
    {
        ReadOnlySpan<PlanPoint> outline = [new(-1.5, -1), new(1.5, -1), new(1.5, 1), new(-1.5, 1)];
        return ContactSolver.Polygon(outline, 600, 0.6, 0.4);
    }

    [Benchmark]
    public ContactSolution Corner() => ContactSolver.Rectangle(3, 2, 600, 1.2, 0.8);
}

/// <summary>Reading and sizing generated projects.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class SizingBenchmarks
{
    private string directory = "";
    private LoadedProject project = null!;

    [Params(100, 1000)]
    public int Bases { get; set; }

    /// <summary>Footings under one column, under two, straps, walls' footings, and caps on piles.</summary>
    [Params("isolated", "combined", "strap", "wall", "pile-cap")]
    public string Kind { get; set; } = "isolated";

    [GlobalSetup]
    public void Setup()
    {
        directory = Directory.CreateTempSubdirectory("plinth-bench-").FullName;
        GeneratedProject.Write(Bases, directory, Kind is "combined" or "strap" ? 2 : 1, Kind);
        project = Read();
    }

    [GlobalCleanup]
    public void Cleanup() => Directory.Delete(directory, true);

    [Benchmark]
    public LoadedProject Read() => ProjectReader.Read(directory, new DiagnosticBag())!;

    [Benchmark]
    public int Size() =>
        Building.Size(project.Project, project.Project.Foundations, null, CancellationToken.None).Count(r => r.Design is not null);
}
