using System.Diagnostics;

namespace Plinth.Cli.Tests;

/// <summary>Repositories that name programs to be run: comparing with their history runs none of them.</summary>
public sealed class HostileHistoryTests : IDisposable
{
    private readonly Folder f = new();

    public HostileHistoryTests()
    {
        f.Run("size").Exit.Should().Be(0);
        Git("init", "-q");
        Git("add", ".");
        Commit("one");
        f.Replace("reactions.csv", "C1,DEAD,2,0,420,0,5", "C1,DEAD,2,0,520,0,5");
    }

    public void Dispose() => f.Dispose();

    private string Marker => System.IO.Path.Combine(f.Path, "was-run");

    private void Git(params string[] arguments)
    {
        var start = new ProcessStartInfo("/usr/bin/git") { WorkingDirectory = f.Path };
        foreach (var a in arguments)
        {
            start.ArgumentList.Add(a);
        }

        using var process = Process.Start(start)!;
        process.WaitForExit();
        process.ExitCode.Should().Be(0);
    }

    private void Commit(string message) => Git("-c", "user.name=a", "-c", "user.email=a@example.org", "commit", "-qm", message);

    private string Script(string name)
    {
        var path = System.IO.Path.Combine(f.Path, name);
        File.WriteAllText(path, $"#!/bin/sh\ntouch '{Marker}'\ncat\n");
        File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        return path;
    }

    private Ran Compare(string? path = null)
    {
        var start = Program.Start(f.Path, "compare", "HEAD");
        start.Environment["PATH"] = path ?? "/usr/bin:/bin";
        return Program.Run(start);
    }

    [Theory]
    [InlineData("/usr/bin:/bin")]
    [InlineData(":/usr/bin")]
    [InlineData(".:/usr/bin")]
    [InlineData("{folder}:{folder}/bin:/usr/bin")]
    public void A_program_named_git_in_the_folder_is_not_run(string path)
    {
        Script("git");
        Directory.CreateDirectory(System.IO.Path.Combine(f.Path, "bin"));
        Script("bin/git");
        var ran = Compare(path.Replace("{folder}", f.Path, StringComparison.Ordinal));
        ran.Out.Should().Contain("C1", ran.Error);
        Program.Run(WithPath(f.Path)).Error.Should().Contain("git is not installed");
        File.Exists(Marker).Should().BeFalse();

        ProcessStartInfo WithPath(string only)
        {
            var start = Program.Start(f.Path, "compare", "HEAD");
            start.Environment["PATH"] = only;
            return start;
        }
    }

    [Fact]
    public void Filters_hooks_and_monitors_of_the_repository_are_not_run()
    {
        var script = Script("evil.sh");
        f[".gitattributes"] = "*.csv filter=evil diff=evil export-subst\n";
        Git("add", ".gitattributes");
        Commit("two");
        foreach (var key in new[] { "filter.evil.smudge", "filter.evil.process", "filter.evil.clean", "diff.evil.textconv",
            "diff.evil.command", "core.fsmonitor", "core.pager", "core.sshCommand", "alias.ls-tree", "alias.cat-file" })
        {
            Git("config", key, key.StartsWith("alias", StringComparison.Ordinal) ? "!" + script : script);
        }

        Git("config", "core.hooksPath", f.Path);
        var ran = Compare();
        ran.Out.Should().Contain("C1", ran.Error);
        File.Exists(Marker).Should().BeFalse();
    }

    [Theory]
    [InlineData("ext::{script} %S")]
    [InlineData("{script}")]
    [InlineData("ssh://host/path")]
    public void An_object_that_is_not_there_is_not_fetched(string url)
    {
        var script = Script("evil.sh");
        foreach (var (key, value) in new[]
        {
            ("core.repositoryFormatVersion", "1"), ("extensions.partialClone", "origin"), ("remote.origin.promisor", "true"),
            ("remote.origin.partialCloneFilter", "blob:none"),
            ("remote.origin.url", url.Replace("{script}", script, StringComparison.Ordinal)), ("remote.origin.uploadpack", script),
            ("remote.origin.vcs", "evil"), ("protocol.ext.allow", "always"), ("protocol.allow", "always"), ("core.sshCommand", script),
        })
        {
            if (key != "remote.origin.vcs" || url[0] == 's')
            {
                Git("config", key, value);
            }
        }

        var start = new ProcessStartInfo("/usr/bin/git") { WorkingDirectory = f.Path, RedirectStandardOutput = true };
        start.ArgumentList.Add("rev-parse");
        start.ArgumentList.Add("HEAD:reactions.csv");
        using var process = Process.Start(start)!;
        var id = process.StandardOutput.ReadToEnd().Trim();
        process.WaitForExit();
        File.Delete(System.IO.Path.Combine(f.Path, ".git/objects", id[..2], id[2..]));

        var temporary = Directory.CreateDirectory(System.IO.Path.Combine(f.Path, "tmp")).FullName;
        var compare = Program.Start(f.Path, "compare", "HEAD");
        compare.Environment["TMPDIR"] = temporary;
        var ran = Program.Run(compare);
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("git: ");
        File.Exists(Marker).Should().BeFalse();
        Directory.GetFileSystemEntries(temporary).Should().BeEmpty("a comparison that fails leaves nothing behind");
    }

    [Fact]
    public void Links_of_a_revision_lead_nowhere()
    {
        File.CreateSymbolicLink(System.IO.Path.Combine(f.Path, "outside.csv"), "/etc/passwd");
        f.Replace("plinth.toml", "[cases]", "reactions = \"outside.csv\"\n\n[cases]");
        Git("add", ".");
        Commit("two");
        f.Replace("plinth.toml", "reactions = \"outside.csv\"\n\n", "");
        var ran = Compare();
        ran.Exit.Should().Be(2);
        (ran.Out + ran.Error).Should().NotContain("root:");
    }
}
