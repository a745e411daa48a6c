using Plinth.Files.Access;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Tests;

/// <summary>How files are opened, named, replaced and told apart.</summary>
public sealed class AccessTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("plinth-access-").FullName;

    public void Dispose() => Directory.Delete(folder, true);

    private string In(string name) => Path.Combine(folder, name);

    private string Written(string name, string text)
    {
        File.WriteAllText(In(name), text);
        return In(name);
    }

    [Fact]
    public void Links_are_followed_to_where_they_lead()
    {
        Directory.CreateDirectory(In("a/b"));
        File.CreateSymbolicLink(In("to-b"), "a/b");
        File.CreateSymbolicLink(In("a/b/up"), "../..");
        File.CreateSymbolicLink(In("circle"), In("circle"));
        RealPath.Of(In("to-b/x.csv")).Should().Be(In("a/b/x.csv"), "what is not there yet stands as written");
        RealPath.Of(In("to-b/up/to-b/../y")).Should().Be(In("y"), "points are taken out first, as files are opened");
        RealPath.Of(In("a/./b/../b/z")).Should().Be(In("a/b/z"));
        InputFile.IsWithin(In("to-b/up/etc"), In("a")).Should().BeFalse();
        InputFile.IsWithin(In("a/b"), In("a")).Should().BeTrue();
        InputFile.IsWithin(folder + "-other/x", folder).Should().BeFalse("a longer name is no part of a folder");
        var circle = () => RealPath.Of(In("circle/x"));
        circle.Should().Throw<IOException>().WithMessage("*circle*");
    }

    [Fact]
    public void Files_are_opened_whole_and_within_the_limit()
    {
        InputFile.ReadAll(Written("a.csv", "abc")).Should().Equal("abc"u8.ToArray());
        InputFile.ReadAll(Written("empty.csv", "")).Should().BeEmpty();
        var none = () => InputFile.Open(In("none.csv"));
        none.Should().Throw<FileNotFoundException>();
        var inFile = () => InputFile.Open(In("a.csv/b.csv"));
        inFile.Should().Throw<FileNotFoundException>();
        foreach (var (path, kind) in new[] { (folder, "a folder"), ("/dev/null", "a device") })
        {
            var open = () => InputFile.Open(path);
            open.Should().Throw<IOException>().WithMessage($"is {kind}; only regular files are read");
        }
    }

    [Fact]
    public void A_file_under_way_goes_in_its_place_whole_or_leaves_no_trace()
    {
        var path = Written("a.toml", "old");
        using (var file = new AtomicFile(path))
        {
            file.Writer.Write("half");
            File.ReadAllText(path).Should().Be("old");
        }

        Directory.GetFileSystemEntries(folder).Should().Equal(path);
        using (var file = new AtomicFile(path))
        {
            file.Writer.Write("new");
            file.Commit();
        }

        File.ReadAllText(path).Should().Be("new");
        Directory.GetFileSystemEntries(folder).Should().Equal(path);
    }

    [Fact]
    public void Of_several_names_of_a_file_each_shows_what_is_written_also_where_it_is_shorter()
    {
        var path = Written("a.toml", new string('x', 10_000));
        Run("ln", path, In("b.toml"));
        TextFile.WriteAtomically(path, "short");
        File.ReadAllText(In("b.toml")).Should().Be("short");
        File.CreateSymbolicLink(In("c.toml"), "b.toml");
        TextFile.WriteAtomically(In("c.toml"), "through the link");
        File.ReadAllText(path).Should().Be("through the link");
        new FileInfo(In("c.toml")).LinkTarget.Should().Be("b.toml", "the link is still one");
    }

    [Fact]
    public void Several_files_go_in_their_places_together()
    {
        var (supports, reactions) = (Written("supports.csv", "old"), Written("reactions.csv", "old"));
        using var lockOf = ProjectLock.Take(folder);
        using (AtomicFile a = new(supports), b = new(reactions))
        {
            a.Writer.Write("new supports");
            b.Writer.Write("new reactions");
            PendingWrites.Commit(folder, a, b);
        }

        (File.ReadAllText(supports), File.ReadAllText(reactions)).Should().Be(("new supports", "new reactions"));
        PendingWrites.Any(folder).Should().BeFalse();
        PendingWrites.Mend(folder).Should().BeEmpty("there is nothing to finish");
        Directory.GetFileSystemEntries(folder).Should().HaveCount(2);
    }

    [Fact]
    public void A_lock_is_held_by_one_and_ends_with_it()
    {
        var first = ProjectLock.Take(folder);
        var second = () => ProjectLock.Take(folder);
        second.Should().Throw<IOException>().WithMessage("*is changing this project*");
        first.Dispose();
        ProjectLock.Take(folder).Dispose();
        Directory.GetFileSystemEntries(folder).Should().BeEmpty("the lock lies on the folder itself");
    }

    [Theory]
    [InlineData("reactions.csv", true)]
    [InlineData("analysis/base.CSV", true)]
    [InlineData("./reactions.csv", false)]
    [InlineData("../reactions.csv", false)]
    [InlineData(".reactions.csv", false)]
    [InlineData("a/.b/c.csv", false)]
    [InlineData("reactions.toml", false)]
    [InlineData("reactions", false)]
    public void Only_a_table_of_the_project_is_written_by_an_import(string name, bool may) =>
        (OutputRules.FaultOfTable(name) is null).Should().Be(may);

    [Fact]
    public void An_output_is_no_input_under_whatever_name()
    {
        var input = Written("supports.csv", "x");
        Run("ln", input, In("same.csv"));
        File.CreateSymbolicLink(In("link.csv"), "supports.csv");
        foreach (var name in new[] { "supports.csv", "same.csv", "link.csv", "./sub/../supports.csv" })
        {
            OutputRules.Fault(In(name), folder, [input]).Should().Contain("is an input of the project", name);
        }

        OutputRules.Fault(In("schedule.csv"), folder, [input]).Should().BeNull();
        OutputRules.Fault("/tmp/schedule.csv", folder, [input]).Should().BeNull("who names a place may write there");
        OutputRules.FaultOfOwn("/tmp/schedule.csv", folder, [input]).Should().Contain("out of the project's folder");
    }

    [Fact]
    public void What_a_file_outside_holds_is_told_only_where_the_user_asks_for_it()
    {
        foreach (var (bag, told) in new[] { (new DiagnosticBag { Project = folder }, false),
            (new DiagnosticBag { Project = folder, QuotesAll = true }, true), (new DiagnosticBag(), true) })
        {
            bag.Reads("/etc/hostname", "hostname");
            bag.Reads(In("own.csv"), "own.csv");
            bag.Error(new FilePlace("hostname", 3, 4), "\"secret\" is not known");
            bag.Warning(new FilePlace("hostname", 4, 1), "\"secret\" is not read");
            bag.Error(new FilePlace("own.csv", 1, 1), "\"open\" is not known");
            bag.Sorted.Count(d => d.Message.Contains("secret", StringComparison.Ordinal)).Should().Be(told ? 2 : 0);
            bag.Sorted.Should().Contain(d => d.Message.Contains("open", StringComparison.Ordinal)).And.Contain(d => d.Place.Line == 3);
        }
    }

    private static void Run(string program, params string[] arguments)
    {
        using var process = System.Diagnostics.Process.Start(program, arguments)!;
        process.WaitForExit();
        process.ExitCode.Should().Be(0);
    }
}
