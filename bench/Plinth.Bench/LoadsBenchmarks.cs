using System.Globalization;
using BenchmarkDotNet.Attributes;
using Plinth.Core.Audit;
using Plinth.Core.Loads;
using Plinth.Files.Diagnostics;
using Plinth.Files.Import;
using Plinth.Files.Reading;

namespace Plinth.Bench;

/// <summary>Raw numbers, a raw table of 100,000 rows, the combinations of a standard, the audit and the envelope of a building.</summary>
[MemoryDiagnoser]
[ShortRunJob]
public class LoadsBenchmarks
{
    private static readonly LoadCase[] Cases =
    [
        new("G", LoadSymbol.G), new("Q", LoadSymbol.Q) { Category = "B" }, new("S", LoadSymbol.S), new("WX", LoadSymbol.W, true),
        new("WY", LoadSymbol.W, true),
        new("EX", LoadSymbol.E, true) { Direction = PlanAxis.X }, new("EY", LoadSymbol.E, true) { Direction = PlanAxis.Y },
    ];

    private string directory = "";
    private LoadedProject project = null!;
    private ImportProject import = null!;

    [GlobalSetup]
    public void Setup()
    {
        directory = Directory.CreateTempSubdirectory("plinth-bench-").FullName;
        GeneratedProject.Write(1000, directory);
        project = ProjectReader.Read(directory, new DiagnosticBag())!;
        var random = new Random(1);
        using (var raw = new StreamWriter(Path.Combine(directory, "raw.csv")))
        {
            raw.WriteLine("Joint;Loading;X force;Y force;Z force\n;;kN;kN;kN");
            for (var i = 0; i < 100_000; i++)
            {
                raw.WriteLine(string.Create(CultureInfo.InvariantCulture,
                    $"{i / 100};C{i % 100};{random.NextDouble() * 900:0.000};{random.NextDouble() * 900:0.000};{random.NextDouble() * 900:0.000}")
                    .Replace('.', ','));
            }
        }

        File.AppendAllText(Path.Combine(directory, "plinth.toml"),
            "\n[import]\nfile = \"raw.csv\"\naxes = [\"x\", \"-z\", \"y\"]\ncolumns = { support = \"Joint\", case = \"Loading\", Fx = \"X "
                + "force\", Fy = \"Y force\", Fz = \"Z force\" }\n");
        import = ImportProject.Read(directory, new DiagnosticBag())!;
    }

    [GlobalCleanup]
    public void Cleanup() => Directory.Delete(directory, true);

    [Benchmark]
    public double Number() => RawNumber.TryRead("-1234,567", ',', out var n) ? n.Value : 0;

    [Benchmark]
    public int Import100000Rows() => new Importer(directory, import.Spec!, import.Context, new DiagnosticBag()).Run(TextWriter.Null)!.Rows;

    [Benchmark]
    public int CombinationsOfEn1990() =>
        CombinationBuilder.Build(LoadStandards.Find("en1990")!, Cases, new LoadOptions { Orthogonal = 0.3 }, []).Used.Length;

    [Benchmark]
    public int Audit1000Supports() => Auditor.Run(project.Project, new Dictionary<string, StatedTotal>()).Findings.Count;

    [Benchmark]
    public int EnvelopeOfASupport() =>
        Envelope.Find(project.Project.Combinations, project.Project.Cases,
            project.Project.Actions[project.Project.Supports[0].Label]).Count;
}
