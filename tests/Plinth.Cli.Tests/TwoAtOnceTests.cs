using System.Diagnostics;

namespace Plinth.Cli.Tests;

/// <summary>Two processes at one project, and processes that die while they write.</summary>
public sealed class TwoAtOnceTests : IDisposable
{
    private readonly Folder f = new();

    public void Dispose() => f.Dispose();

    private string In(string name) => System.IO.Path.Combine(f.Path, name);

    private string[] Hidden =>
        [.. Directory.GetFileSystemEntries(f.Path, ".*", SearchOption.AllDirectories)
            .Select(p => System.IO.Path.GetRelativePath(f.Path, p))];

    [Fact]
    public void Edits_of_two_processes_are_both_kept_or_one_is_told_to_try_again()
    {
        f.Run("size").Exit.Should().Be(0);
        for (var pair = 0; pair < 10; pair++)
        {
            var values = new[] { $"{600 + (10 * pair)} mm", $"{605 + (10 * pair)} mm" };
            var processes = new[] { "F1",
                "F3" }.Select((mark, i) => Process.Start(Program.Start(f.Path, "set", mark, "thickness=" + values[i]))!).ToList();
            var exits = new List<int>();
            foreach (var process in processes)
            {
                process.StandardOutput.ReadToEnd();
                process.StandardError.ReadToEnd();
                process.WaitForExit();
                exits.Add(process.ExitCode);
                process.Dispose();
            }

            for (var i = 0; i < 2; i++)
            {
                f["adopted.toml"].Contains(values[i], StringComparison.Ordinal)
                    .Should().Be(exits[i] != 2, $"pair {pair}: {values[i]} with exit {exits[i]}");
            }
        }

        Hidden.Should().BeEmpty();
    }

    [Fact]
    public void Who_changes_the_project_is_named_to_who_waits()
    {
        f.Run("size").Exit.Should().Be(0);
        using var holder = Process.Start(new ProcessStartInfo("/usr/bin/flock", [f.Path, "sleep", "60"]))!;
        try
        {
            Ran ran;
            do
            {
                ran = f.Run("set", "F1", "thickness=700 mm");
            }
            while (ran.Exit != 2 && !holder.HasExited);

            ran.Error.Should().Contain("is changing this project; nothing was read or written").And.Contain("(process ");
            f.Run("check").Exit.Should().NotBe(2, "who only reads need not wait");
        }
        finally
        {
            holder.Kill(true);
        }

        f.Run("set", "F1", "thickness=710 mm").Exit.Should().NotBe(2, "a lock ends with its process");
    }

    [Fact]
    public void An_import_that_was_killed_between_its_two_tables_is_finished_by_the_next_command()
    {
        f["raw.csv"] = "node,load,R3 (kN)\nC1,DEAD,300\nC2,DEAD,400\nC3,DEAD,500\n";
        var (old, reactions) = (f["supports.csv"], f["reactions.csv"]);

        // As it stands after the first of both was put in its place: the list is written, the second waits.
        var name = ".plinth-" + string.Concat(Environment.MachineName.Where(char.IsAsciiLetterOrDigit).Take(24)) + "-999999999-1.new";
        var next = reactions.Replace("C1,DEAD,2,0,420", "C1,DEAD,2,0,421", StringComparison.Ordinal);
        f[name] = next;
        f[".plinth-pending.json"] =
            $$"""{"schema":"keen-plinth/pending/1","files":[{"target":"supports.csv","made":"{{name.Replace("-1.new", "-2.new", StringComparison.Ordinal)}}","sha256":"00","in_place":false},{"target":"reactions.csv","made":"{{name}}","sha256":"{{Digest(next)}}","in_place":false}]}""";
        var ran = f.Run("audit");
        ran.Error.Should().Contain("reactions.csv is whole now");
        (f["supports.csv"], f["reactions.csv"]).Should().Be((old, next));
        Hidden.Should().BeEmpty();
    }

    [Theory]
    [InlineData("../victim.csv", "")]
    [InlineData("plinth.toml", "")]
    [InlineData("reactions.csv", "../x")]
    [InlineData("reactions.csv", "supports.csv")]
    public void A_list_that_came_with_the_folder_moves_nothing_but_plinths_own_files(string target, string made)
    {
        var name = made.Length > 0 ? made : ".plinth-a-1-1.new";
        if (made.Length == 0)
        {
            f[name] = "evil";
        }

        var before = (f["plinth.toml"], f["supports.csv"], f["reactions.csv"]);
        f[".plinth-pending.json"] =
            $$"""{"schema":"keen-plinth/pending/1","files":[{"target":"{{target}}","made":"{{name}}","sha256":"{{Digest("evil")}}","in_place":false}]}""";
        var ran = f.Run("check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("is not a list that plinth wrote");
        (f["plinth.toml"], f["supports.csv"], f["reactions.csv"]).Should().Be(before);
        File.Exists(In("../victim.csv")).Should().BeFalse();
        f[".plinth-pending.json"] = "[[[";
        f.Run("check").Error.Should().Contain("is not a list that plinth wrote");
    }

    [Fact]
    public void What_dead_processes_left_is_swept_by_the_next_that_writes()
    {
        f.Run("size").Exit.Should().Be(0);
        var machine = string.Concat(Environment.MachineName.Where(char.IsAsciiLetterOrDigit).Take(24));
        f[$".plinth-{machine}-999999999-1.new"] = "dead";
        f[$".plinth-{machine}-{Environment.ProcessId}-1.new"] = "alive";
        f[".plinth-other-1-1.new"] = "of another machine";
        Directory.CreateDirectory(In($".plinth-{machine}-999999999-2.new/inputs"));
        f.Run("set", "F1", "thickness=700 mm").Exit.Should().NotBe(2);
        Hidden.Order().Should().Equal(new[] { $".plinth-{machine}-{Environment.ProcessId}-1.new", ".plinth-other-1-1.new" }.Order());
        File.SetLastWriteTimeUtc(In(".plinth-other-1-1.new"), DateTime.UtcNow.AddDays(-2));
        f.Run("set", "F1", "thickness=710 mm").Exit.Should().NotBe(2);
        Hidden.Should().Equal($".plinth-{machine}-{Environment.ProcessId}-1.new");
    }

    private static string Digest(string text) =>
        Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(text)));
}
