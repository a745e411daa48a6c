using System.Diagnostics;

namespace Plinth.Cli.Tests;

/// <summary>Streams that cannot be written, terminals of a few columns, and texts that would steer a terminal.</summary>
public sealed class StreamTests : IDisposable
{
    private readonly Folder f = new();

    public StreamTests() => f.Run("size").Exit.Should().Be(0);

    public void Dispose() => f.Dispose();

    // By a shell, which redirects and closes as asked.
    private Ran Shell(string command)
    {
        var start = new ProcessStartInfo("/bin/sh",
            ["-c", command.Replace("plinth", Program.ProgramPath, StringComparison.Ordinal)])
        {
            WorkingDirectory = f.Path,
            RedirectStandardOutput = true,
            RedirectStandardError = true
        };
        return Program.Run(start);
    }

    [Fact]
    public void Results_that_cannot_be_written_are_told_and_what_was_set_stands()
    {
        foreach (var (to, thickness) in new[] { ("> /dev/full", "710 mm"), (">&-", "720 mm") })
        {
            var ran = Shell($"plinth set F1 thickness='{thickness}' {to}");
            ran.Exit.Should().Be(1, to);
            ran.Error.Should().Contain("the results could not be written to standard output").And.Contain(
                "what the command writes to files stands");
            f["adopted.toml"].Should().Contain(thickness);
            f.Run("check").Exit.Should().NotBe(2, "the file is whole");
        }

        Shell("plinth check --format json > /dev/full").Exit.Should().Be(1);
        Shell("plinth --help > /dev/full").Exit.Should().Be(1);
        Shell("plinth check --format csv | head -n 1").Exit.Should().Be(0);
    }

    [Theory]
    [InlineData("2>&-")]
    [InlineData("2>/dev/full")]
    [InlineData("<&- 2>&-")]
    public void Without_a_place_for_messages_the_exit_code_still_tells(string how)
    {
        Shell($"plinth check nosuch {how}").Exit.Should().Be(2);
        Shell($"plinth check {how}").Exit.Should().Be(0);
        Shell($"plinth nosuch {how}").Exit.Should().Be(2);
    }

    [Fact]
    public void With_no_stream_open_no_file_is_written_into()
    {
        var before = f["adopted.toml"];
        f["adopted.toml"] = before.Replace("thickness", "# seen\nthickness", StringComparison.Ordinal);
        var exit = Shell("plinth size --all --over <&- >&- 2>&-").Exit;
        if (Program.IsNative)
        {
            exit.Should().Be(1);
        }
        else
        {
            // The runtime of the managed program has files of its own at these numbers before the first line runs.
            exit.Should().BeOneOf(0, 1);
        }

        f["adopted.toml"].Should().StartWith(before[..40]).And.NotContain("mark  under");
        (f["plinth.toml"], f["supports.csv"], f["reactions.csv"]).Should().Be((Folder.Toml, Folder.Supports, Folder.Reactions));
    }

    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(5)]
    [InlineData(0)]
    public void Terminals_of_a_few_columns_show_help_and_results(int columns)
    {
        foreach (var call in new[] { "--help", "size --help", "check", "show F1", "combos" })
        {
            var ran = Shell($"timeout 30 script -qec 'stty cols {columns}; plinth {call}' /dev/null < /dev/null");
            ran.Exit.Should().Be(0, $"{call} in {columns} columns");
            ran.Out.Length.Should().BeInRange(100, 100_000, call);
        }
    }

    [Theory]
    [InlineData("\u001b[31m", "U+001B")]
    [InlineData("\u009b31m", "U+009B")]
    [InlineData("\u202e", "U+202E")]
    [InlineData("\u2066", "U+2066")]
    [InlineData("\u007f", "U+007F")]
    public void What_would_steer_a_terminal_is_refused_and_never_printed(string evil, string code)
    {
        var label = "C" + evil + "1";
        f["supports.csv"] = Folder.Supports.Replace("C1", label, StringComparison.Ordinal);
        var ran = f.Run("check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(code).And.NotContain(evil);
        f["supports.csv"] = Folder.Supports;

        f["plinth.toml"] = Folder.Toml.Replace("\"Test\"", $"\"T\\u{(int)evil[0]:X4}\"", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("plinth.toml:").And.Contain(code);
        f["plinth.toml"] = Folder.Toml;

        // What comes from elsewhere, such as the call itself, shows as its code.
        var named = f.Run("show", label);
        named.Exit.Should().Be(2);
        named.Error.Should().Contain($"<{code}>").And.NotContain(evil);
    }

    [Fact]
    public void Letters_of_all_scripts_are_labels_and_turn_nothing_around_them()
    {
        foreach (var file in new[] { "supports.csv", "reactions.csv" })
        {
            f[file] = f[file].Replace("C1", "שלום", StringComparison.Ordinal);
        }

        File.Delete(System.IO.Path.Combine(f.Path, "adopted.toml"));
        f.Run("size").Exit.Should().Be(0);
        f.Run("report", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain("שלום").And.Contain("unicode-bidi: isolate");
    }

    [Fact]
    public void A_comparison_that_fails_leaves_nothing_in_the_temporary_folder()
    {
        var tmp = Directory.CreateDirectory(System.IO.Path.Combine(f.Path, "tmp")).FullName;
        Shell("git init -q && git add plinth.toml supports.csv && git -c user.name=a -c user.email=a@example.org commit -qm one");
        var ran = Shell($"TMPDIR={tmp} plinth compare HEAD");
        ran.Exit.Should().Be(2, "that revision has no reactions");
        Directory.GetFileSystemEntries(tmp).Should().BeEmpty();
        Shell($"TMPDIR={tmp} plinth compare nosuch").Exit.Should().Be(2);
        Directory.GetFileSystemEntries(tmp).Should().BeEmpty();
    }
}
