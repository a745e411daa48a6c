using System.Diagnostics;
using System.Reflection;
using System.Text.Json;

namespace Plinth.Cli.Tests;

/// <summary>What a run of the program gave back.</summary>
public sealed record Ran(int Exit, string Out, string Error)
{
    public JsonElement Json => JsonDocument.Parse(Out).RootElement;
}

/// <summary>The built program; PLINTH_PROGRAM names another build of it, such as the published one.</summary>
internal static class Program
{
    private static readonly string Path = Find();

    public static string Root => Metadata("Root");

    /// <summary>Whether it is the native program, which opens no file before its first line.</summary>
    public static bool IsNative => !File.Exists(Path + ".dll");

    public static ProcessStartInfo Start(string directory, params string[] arguments)
    {
        var start = new ProcessStartInfo(Path)
        {
            WorkingDirectory = directory,
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            UseShellExecute = false
        };
        foreach (var a in arguments)
        {
            start.ArgumentList.Add(a);
        }

        return start;
    }

    /// <summary>Started so that an interrupt reaches it, which a shell lets what it runs in the background ignore.</summary>
    public static ProcessStartInfo Interruptible(string directory, params string[] arguments)
    {
        var start = Start(directory, ["--default-signal=INT", Path, .. arguments]);
        start.FileName = "env";
        return start;
    }

    public static Ran Run(string directory, params string[] arguments) => Run(Start(directory, arguments));

    public static Ran Run(ProcessStartInfo start)
    {
        using var process = Process.Start(start)!;
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        var ran = new Ran(process.ExitCode, output, error.Result);
        (ran.Out + ran.Error).Should().NotContain("   at Plinth", "no input shows a stack trace");
        ran.Exit.Should().NotBe(70, ran.Error);
        return ran;
    }

    public static string ProgramPath => Path;

    /// <summary>Copies the program with what it needs into a folder that all may enter.</summary>
    public static string CopyTo(string folder)
    {
        const UnixFileMode all = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute | UnixFileMode.GroupRead
            | UnixFileMode.GroupExecute | UnixFileMode.OtherRead | UnixFileMode.OtherExecute;
        File.SetUnixFileMode(folder, all);
        foreach (var file in Directory.GetFiles(System.IO.Path.GetDirectoryName(Path)!))
        {
            var to = System.IO.Path.Combine(folder, System.IO.Path.GetFileName(file));
            File.Copy(file, to, true);
            File.SetUnixFileMode(to, all);
        }

        return System.IO.Path.Combine(folder, "plinth");
    }

    // The native program, if it is there and was made after the managed one: it starts thirty times as fast.
    private static string Find()
    {
        if (Environment.GetEnvironmentVariable("PLINTH_PROGRAM") is { Length: > 0 } given)
        {
            return given;
        }

        var managed = System.IO.Path.Combine(Root, "src/Plinth.Cli/bin", Metadata("Configuration"), "net10.0/linux-x64/plinth");
        var native = System.IO.Path.Combine(Root, "artifacts/publish/plinth");
        return File.Exists(native) && File.GetLastWriteTimeUtc(native) >= File.GetLastWriteTimeUtc(managed + ".dll") ? native : managed;
    }

    private static string Metadata(string key) =>
        typeof(Program).Assembly.GetCustomAttributes<AssemblyMetadataAttribute>().Single(a => a.Key == key).Value!;
}

/// <summary>A project in a temporary folder.</summary>
public sealed class Folder : IDisposable
{
    public const string Toml = """
        [project]
        name = "Test"
        code = "aci318m-19"

        [loads]
        standard = "asce7-22"

        [cases]
        DEAD = "D"
        LIVE = "L"
        WX = { symbol = "W", reversible = true }

        [ground]
        founding-depth = "1.5 m"
        bearing = "200 kPa"

        [concrete]
        strength = "30 MPa"

        [steel]
        yield = "420 MPa"

        """;

    public const string Supports = """
        support,x (m),y (m),cx (mm),cy (mm)
        C1,0,0,400,400
        C2,6,0,400,400
        C3,12,0,400,500

        """;

    public const string Reactions = """
        support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)
        C1,DEAD,2,0,420,0,5
        C1,LIVE,1,0,180,0,3
        C1,WX,-15,0,-20,0,-30
        C2,DEAD,0,0,640,4,0
        C2,LIVE,0,0,260,2,0
        C2,WX,-18,0,0,0,-36
        C3,DEAD,-2,0,410,0,-5
        C3,LIVE,-1,0,190,0,-3
        C3,WX,-15,0,20,0,-30

        """;

    public Folder()
    {
        Path = Directory.CreateTempSubdirectory("plinth-test-").FullName;
        this["plinth.toml"] = Toml;
        this["supports.csv"] = Supports;
        this["reactions.csv"] = Reactions;
    }

    public string Path { get; }

    public string this[string file]
    {
        get => File.ReadAllText(System.IO.Path.Combine(Path, file));
        set => File.WriteAllText(System.IO.Path.Combine(Path, file), value);
    }

    /// <summary>The columns of the office at the edge of its site.</summary>
    public static IReadOnlyList<string> OfficeEdge { get; } = ["C1", "C7", "C13", "C19", "C22", "C25"];

    /// <summary>The office without its bases under several columns: every column on one of its own.</summary>
    public static Folder OfficeOfSingles()
    {
        var f = Building("office-frame");
        f["plinth.toml"] = f["plinth.toml"][..f["plinth.toml"].IndexOf("# Line A", StringComparison.Ordinal)]
            + string.Concat(OfficeEdge.Select(c => $"[[foundation]]\nsupports = [\"{c}\"]\nedge-x0 = \"250 mm\"\n\n"));
        return f;
    }

    public bool Has(string file) => File.Exists(System.IO.Path.Combine(Path, file));

    public static Folder Building(string name)
    {
        var folder = new Folder();
        foreach (var file in Directory.GetFiles(System.IO.Path.Combine(Program.Root, "tests/buildings", name)))
        {
            File.Copy(file, System.IO.Path.Combine(folder.Path, System.IO.Path.GetFileName(file)), true);
        }

        return folder;
    }

    /// <summary>Copies a folder of the building's too, such as its raw tables.</summary>
    public Folder WithRaw(string building)
    {
        Directory.CreateDirectory(System.IO.Path.Combine(Path, "raw"));
        foreach (var file in Directory.GetFiles(System.IO.Path.Combine(Program.Root, "tests/buildings", building, "raw")))
        {
            File.Copy(file, System.IO.Path.Combine(Path, "raw", System.IO.Path.GetFileName(file)), true);
        }

        return this;
    }

    /// <summary>Rewrites reactions.csv row by row; null leaves a row out.</summary>
    public void Rewrite(Func<string[], string[]?> row)
    {
        var lines = this["reactions.csv"].Split('\n', StringSplitOptions.RemoveEmptyEntries);
        this["reactions.csv"] = string.Join('\n',
            lines.Skip(1)
                .Select(l => row(l.TrimEnd('\r').Split(',')))
                .OfType<string[]>()
                .Select(c => string.Join(',', c))
                .Prepend(lines[0])) + "\n";
    }

    public void Replace(string file, string old, string with)
    {
        this[file].Should().Contain(old, file);
        this[file] = this[file].Replace(old, with, StringComparison.Ordinal);
    }

    public Ran Run(params string[] arguments) => Program.Run(Path, arguments);

    public void Dispose() => Directory.Delete(Path, true);
}
