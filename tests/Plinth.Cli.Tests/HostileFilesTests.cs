using System.Diagnostics;

namespace Plinth.Cli.Tests;

/// <summary>A project folder that came by mail: what it names is neither overwritten nor waited for nor told.</summary>
public sealed class HostileFilesTests : IDisposable
{
    private const string Raw = """
        node;load;R1 (kN);R2 (kN);R3 (kN)
        C1;DEAD;1;2;300
        C2;DEAD;1;2;400
        C3;DEAD;1;2;500

        """;

    private const string Import = """
        [import]
        file = "raw.csv"
        columns = { support = "node", case = "load", Fx = "R1", Fy = "R2", Fz = "R3" }

        """;

    private readonly Folder f = new();

    public HostileFilesTests()
    {
        f["raw.csv"] = Raw;
        f["plinth.toml"] = Folder.Toml.Replace("[ground]", Import + "[ground]", StringComparison.Ordinal);
    }

    public void Dispose() => f.Dispose();

    private string In(string name) => System.IO.Path.Combine(f.Path, name);

    private void Names(string reactions) => f.Replace("plinth.toml", "[loads]", $"[loads]\nreactions = \"{reactions}\"");

    private static void Shell(string command)
    {
        using var process = Process.Start(new ProcessStartInfo("/bin/sh", ["-c", command]))!;
        process.WaitForExit();
        process.ExitCode.Should().Be(0, command);
    }

    private static Dictionary<string, string> Contents(string folder) =>
        Directory.EnumerateFiles(folder, "*", SearchOption.AllDirectories)
            .ToDictionary(p => System.IO.Path.GetRelativePath(folder, p), File.ReadAllText);

    [Theory]
    [InlineData("../{0}-victim.csv")]
    [InlineData("plinth.toml")]
    [InlineData("supports.csv")]
    [InlineData("raw.csv")]
    [InlineData("./raw.csv")]
    [InlineData("adopted.toml")]
    [InlineData(".git/hooks/post-commit.csv")]
    [InlineData("/dev/null")]
    [InlineData("out-link.csv")]
    [InlineData("hard-link.csv")]
    [InlineData("pipe.csv")]
    [InlineData("folder.csv")]
    [InlineData("other.csv")]
    [InlineData("issued/A/x.csv")]
    public void Import_writes_to_nothing_but_a_table_of_its_own(string named)
    {
        var victim = In($"../{System.IO.Path.GetFileName(f.Path)}-victim.csv");
        File.WriteAllText(victim, "support,case,kept\n");
        try
        {
            Shell(
                $"cd {f.Path} && mkdir -p .git/hooks folder.csv issued/A && ln -s {victim} out-link.csv && ln supports.csv hard-link.csv && mkfifo pipe.csv && printf 'name,age\\n"
                    + "kept,1\\n' > other.csv");
            Names(string.Format(System.Globalization.CultureInfo.InvariantCulture, named, System.IO.Path.GetFileName(f.Path)));
            var before = Directory.EnumerateFiles(f.Path, "*.csv").Where(p => p != In("pipe.csv")).ToDictionary(p => p, File.ReadAllText);
            var ran = f.Run("import");
            ran.Exit.Should().Be(2, named);
            ran.Error.Should().Contain("plinth.toml:").And.Contain("reactions = ", named);
            File.ReadAllText(victim).Should().Be("support,case,kept\n");
            foreach (var (path, text) in before)
            {
                File.ReadAllText(path).Should().Be(text, named);
            }

            f["plinth.toml"].Should().Contain("[import]");
        }
        finally
        {
            File.Delete(victim);
        }
    }

    [Fact]
    public void Import_writes_its_table_into_a_folder_of_the_project()
    {
        Names("analysis/base.csv");
        f.Run("import").Exit.Should().Be(0);
        File.ReadAllLines(In("analysis/base.csv")).Should().HaveCount(4);
        f.Run("import").Exit.Should().Be(0, "what an import wrote, the next may replace");
    }

    [Theory]
    [InlineData("schedule", "supports.csv")]
    [InlineData("schedule", "reactions.csv")]
    [InlineData("schedule", "raw.csv")]
    [InlineData("schedule", "same.csv")]
    [InlineData("schedule", "linked.csv")]
    [InlineData("schedule", "pipe.csv")]
    [InlineData("draw", "folder.pdf")]
    [InlineData("report", "issued/A/report.html")]
    public void No_output_replaces_an_input_an_issue_or_what_is_no_file(string command, string to)
    {
        f.Run("size").Exit.Should().Be(0);
        Shell(
            $"cd {f.Path} && mkdir -p folder.pdf issued/A && ln -s supports.csv linked.csv && ln reactions.csv same.csv && mkfifo pipe.csv");
        var (supports, reactions, raw) = (f["supports.csv"], f["reactions.csv"], f["raw.csv"]);
        var ran = f.Run(command, "--to", to);
        ran.Exit.Should().Be(2, ran.Error);
        ran.Error.Should().ContainAny("is an input of the project", "is never written", "lies among the issues", "is a pipe",
            "is a folder");
        (f["supports.csv"], f["reactions.csv"], f["raw.csv"]).Should().Be((supports, reactions, raw));
        f.Has("issued/A/report.html").Should().BeFalse();
    }

    [Fact]
    public void Links_out_of_the_project_are_not_followed_where_the_name_comes_from_the_project()
    {
        f.Run("size").Exit.Should().Be(0);
        using var elsewhere = new Folder();
        Shell(
            $"cd {f.Path} && mv adopted.toml {elsewhere.Path}/kept.toml && ln -s {elsewhere.Path}/kept.toml adopted.toml && ln -s "
                + $"{elsewhere.Path} out && ln -s {elsewhere.Path} issued");
        var before = Contents(elsewhere.Path);
        foreach (var call in new[] { new[] { "set", "F1", "thickness=700 mm" }, ["set", "F2", "thickness=700 mm"], ["draw"], ["report"],
            ["issue", "A"] })
        {
            var ran = f.Run(call);
            ran.Exit.Should().Be(2, string.Join(' ', call));
            ran.Error.Should().Contain("out of the project's folder", string.Join(' ', call));
        }

        Contents(elsewhere.Path).Should().BeEquivalentTo(before);
    }

    [Fact]
    public void What_is_replaced_keeps_its_permissions_and_its_other_names()
    {
        f.Run("size").Exit.Should().Be(0);
        Shell($"cd {f.Path} && chmod 640 adopted.toml && ln adopted.toml twin.toml");
        f.Run("set", "F1", "thickness=700 mm").Exit.Should().BeOneOf(0, 1);
        File.GetUnixFileMode(In("adopted.toml")).Should().Be(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.GroupRead);
        f["adopted.toml"].Should().Contain("700 mm").And.Be(f["twin.toml"], "both names are of one file still");
        if (Environment.UserName == "root")
        {
            // Only root may give a file away, and must not take it by replacing it.
            Shell($"cd {f.Path} && rm twin.toml && chown 65534:65533 adopted.toml");
            f.Run("set", "F1", "thickness=710 mm").Exit.Should().BeOneOf(0, 1);
            Shell($"cd {f.Path} && test \"$(stat -c %u:%g:%a adopted.toml)\" = 65534:65533:640");
            f["adopted.toml"].Should().Contain("710 mm");
        }

        Directory.GetFileSystemEntries(f.Path).Should().NotContain(p => System.IO.Path.GetFileName(p).StartsWith('.'));

        f.Run("draw", "--to", "plan.pdf").Exit.Should().Be(0);
        Shell($"cd {f.Path} && chmod 600 plan.pdf");
        f.Run("draw", "--to", "plan.pdf").Exit.Should().Be(0);
        File.GetUnixFileMode(In("plan.pdf")).Should().Be(UnixFileMode.UserRead | UnixFileMode.UserWrite);
    }

    [Fact]
    public void What_is_read_only_is_not_written()
    {
        f.Run("size").Exit.Should().Be(0);
        var before = f["adopted.toml"];
        Shell($"chmod 444 {In("adopted.toml")}");
        var ran = f.Run("set", "F1", "thickness=700 mm");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("is read-only").And.Contain("chmod u+w");
        f["adopted.toml"].Should().Be(before);
    }

    [Fact]
    public void Names_as_long_as_the_system_allows_can_be_written()
    {
        f.Run("size").Exit.Should().Be(0);
        var name = new string('n', 251) + ".csv";
        f.Run("schedule", "--to", name).Exit.Should().Be(0);
        f.Has(name).Should().BeTrue();

        // A sheet a mark: names that come from labels are cut.
        var label = new string('L', 190);
        foreach (var file in new[] { "supports.csv", "reactions.csv" })
        {
            f[file] = f[file].Replace("\nC1,", $"\n{label},", StringComparison.Ordinal);
        }

        File.Delete(In("adopted.toml"));
        f["plinth.toml"] += $"\n[[foundation]]\nmark = \"{new string('M', 200)}\"\nsupports = [\"{label}\"]\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("draw", "--what", "detail", "--to", "a-detail.svg").Exit.Should().Be(0);
        Directory.GetFiles(f.Path, "a-detail-*.svg").Should().HaveCount(3);
    }

    [Theory]
    [InlineData("plinth.toml")]
    [InlineData("supports.csv")]
    [InlineData("reactions.csv")]
    [InlineData("adopted.toml")]
    [InlineData("raw.csv")]
    [InlineData("notes.txt")]
    [InlineData("office.toml")]
    public void A_pipe_or_a_device_is_not_read(string file)
    {
        f["plinth.toml"] = "extends = \"office.toml\"\n" + f["plinth.toml"] + "\n[drawings]\nnotes = \"notes.txt\"\n";
        (f["notes.txt"], f["office.toml"]) = ("A note.\n", "[sizing]\n");
        f.Run("size").Exit.Should().Be(0, "all is well without it");
        foreach (var (make, kind) in new[] { ($"mkfifo {In(file)}", "a pipe"), ($"ln -s /dev/zero {In(file)}", "a device") })
        {
            File.Delete(In(file));
            Shell(make);
            var watch = Stopwatch.StartNew();
            var ran = f.Run(file == "raw.csv" ? ["import", "--dry-run"] : ["check"]);
            ran.Exit.Should().Be(2, file);
            ran.Error.Should().Contain($"is {kind}; only regular files are read", file);
            watch.Elapsed.Should().BeLessThan(TimeSpan.FromSeconds(30), "nothing waits for the other end");
        }
    }

    [Fact]
    public void A_file_over_the_limit_is_not_read_unless_the_limit_is_raised()
    {
        f["supports.csv"] += new string('\n', 3 << 20);
        f.Run("check", "--limit",
            "2").Error.Should().Contain("supports.csv: error: cannot be read: has 4 MB; files up to 2 MB are read (--limit 4 reads it)");
        f.Run("check", "--limit", "4").Exit.Should().Be(1, "nothing is sized yet, but all is read");
        f.Run("check").Exit.Should().Be(1);
        f.Run("check", "--limit", "0.5").Exit.Should().Be(2);
        f.Run("check", "--limit", "-1").Error.Should().Contain("--limit -1");
    }

    [Theory]
    [InlineData("reactions = \"SECRET\"", "check")]
    [InlineData("extends", "check")]
    [InlineData("supports", "check")]
    [InlineData("import", "import")]
    [InlineData("import-xlsx", "import")]
    [InlineData("guess", "import")]
    public void What_lies_outside_the_project_is_never_quoted(string how, string command)
    {
        using var elsewhere = new Folder();
        elsewhere["secret.csv"] = "hunter2,hunter3\nhunter4,hunter5\n";
        elsewhere["secret.toml"] = "hunter6 = \"hunter7\"\n[ground]\nbearing = \"hunter8\"\n";
        var (csv, toml) = (System.IO.Path.Combine(elsewhere.Path, "secret.csv"), System.IO.Path.Combine(elsewhere.Path, "secret.toml"));
        switch (how)
        {
            case "extends":
                f["plinth.toml"] = $"extends = \"{toml}\"\n" + f["plinth.toml"];
                break;
            case "supports":
                File.Delete(In("supports.csv"));
                File.CreateSymbolicLink(In("supports.csv"), csv);
                break;
            case "import":
                f.Replace("plinth.toml", "\"raw.csv\"", $"\"{csv}\"");
                break;
            case "import-xlsx":
                File.Move(csv, csv + ".xlsx");
                f.Replace("plinth.toml", "\"raw.csv\"", $"\"{csv}.xlsx\"");
                break;
            case "guess":
                f["plinth.toml"] = Folder.Toml + $"\n[import]\nfile = \"{csv}\"\n";
                break;
            default:
                f.Replace("plinth.toml", "[loads]", $"[loads]\nreactions = \"{csv}\"");
                break;
        }

        var ran = f.Run(command);
        ran.Exit.Should().Be(2, ran.Error);
        (ran.Out + ran.Error).Should().NotContain("hunter", how);
        if (how is "reactions = \"SECRET\"" or "extends" or "supports")
        {
            ran.Error.Should().Contain("lies outside the project's folder");
            f.Run(command, "--verbose").Error.Should().Contain("hunter", "the user may ask to see it");
        }
    }

    [Fact]
    public void A_table_that_the_user_names_is_quoted_wherever_it_lies()
    {
        f.Run("size").Exit.Should().Be(0);
        using var elsewhere = new Folder();
        elsewhere["revised.csv"] = f["reactions.csv"].Replace("C1,DEAD", "C9,DEAD", StringComparison.Ordinal);
        f.Run("compare",
            System.IO.Path.Combine(elsewhere.Path, "revised.csv")).Error.Should().Contain("\"C9\" does not stand in supports.csv");
    }
}
