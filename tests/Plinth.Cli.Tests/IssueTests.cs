namespace Plinth.Cli.Tests;

/// <summary>Issues through the built program.</summary>
public class IssueTests
{
    private static Folder Sized(string more = "")
    {
        var f = new Folder();
        f["plinth.toml"] = Folder.Toml + more;
        f.Run("size", "--all").Exit.Should().Be(0);
        return f;
    }

    private static string[] Files(Folder f, string under) =>
        [.. Directory.EnumerateFiles(Path.Combine(f.Path, under), "*", SearchOption.AllDirectories)
            .Select(p => Path.GetRelativePath(Path.Combine(f.Path, under), p))
            .Order(StringComparer.Ordinal)];

    [Fact]
    public void An_issue_is_frozen_whole_and_never_overwritten()
    {
        using var f = Sized();
        var ran = f.Run("issue", "A");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Error.Should().Contain("Issued as A in issued/A: 3 foundations: 3 pass.");
        Files(f, "issued/A")
            .Should().Equal("details.pdf", "foundation-plan.dxf", "foundation-plan.pdf", "inputs/adopted.toml", "inputs/plinth.toml",
                "inputs/reactions.csv", "inputs/supports.csv", "issue.toml", "report.html", "report.pdf", "results.json", "schedules.xlsx");
        f["issued/A/inputs/adopted.toml"].Should().Be(f["adopted.toml"]);
        f["issued/A/issue.toml"]
            .Should().Contain("revision = \"A\"").And.Contain("code = \"ACI 318M-19\"").And.NotContain("date", "unless it is asked for");
        var manifest = f["issued/A/issue.toml"];
        var again = f.Run("issue", "A");
        again.Exit.Should().Be(2);
        again.Error.Should().Contain("is there already and is never overwritten");
        f["issued/A/issue.toml"].Should().Be(manifest);
        f.Run("check", "--project", "issued/A/inputs").Out.Should().Contain("3 foundations: 3 pass.",
            "the frozen project reads as it stands");
    }

    [Fact]
    public void The_next_issue_says_what_changed()
    {
        using var f = Sized();
        f.Run("issue", "A");
        f.Run("status").Out.Should().NotContain("changed since issue");
        f.Run("set", "F2", "thickness=600 mm").Exit.Should().Be(0);
        f.Run("status").Out.Should().Contain("changed since issue A").And.Contain("F2");
        var ran = f.Run("issue", "B", "--dated");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Error.Should().Contain("F2: thickness ").And.NotContain("F1:");
        f["issued/B/issue.toml"]
            .Should().Contain("before = \"A\"").And.Contain("changed = \"F2\"").And.MatchRegex("date = \"20\\d\\d-\\d\\d-\\d\\d\"");
        Files(f, "issued/B").Should().Contain("change-note.pdf");
        f["issued/B/foundation-plan.dxf"].Should().Contain("\nREVISION\n");
        f["issued/A/foundation-plan.dxf"].Should().NotContain("\nREVISION\n");
        f.Run("issue", "C").Error.Should().Contain("No footing changed since issue B.");
    }

    [Fact]
    public void What_fails_is_not_issued_unless_it_must_be()
    {
        using var f = Sized();
        f.Run("set", "F2", "width=1.2 m");
        var ran = f.Run("issue", "A");
        ran.Exit.Should().Be(1);
        ran.Error.Should().Contain("Not issued: 3 foundations: 2 pass, 1 FAIL.");
        Directory.Exists(Path.Combine(f.Path, "issued/A")).Should().BeFalse();
        f.Run("issue", "A", "--anyway").Exit.Should().Be(1, "it is issued, and fails");
        f["issued/A/issue.toml"].Should().Contain("1 FAIL");
    }

    [Theory]
    [InlineData("../x")]
    [InlineData("a b")]
    [InlineData(".hidden")]
    [InlineData("A/B")]
    public void A_revision_that_can_name_no_folder_is_refused(string revision)
    {
        using var f = Sized();
        var ran = f.Run("issue", revision);
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("cannot name a folder");
        Directory.Exists(Path.Combine(f.Path, "issued")).Should().BeFalse();
    }

    [Fact]
    public void An_issue_that_was_changed_afterwards_is_noticed()
    {
        using var f = Sized();
        f.Run("issue", "A");
        f["issued/A/results.json"] = "{}";
        f.Run("issue", "B").Error.Should().Contain("issue A no longer is what was issued: results.json changed");
        f["issued/A/issue.toml"] = "number = 3\n";
        var ran = f.Run("issue", "C");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("issued/A/issue.toml").And.Contain("restore it from version control");
    }

    [Fact]
    public void What_a_killed_issue_left_behind_is_no_issue()
    {
        using var f = Sized();
        f.Run("issue", "A");
        Directory.CreateDirectory(Path.Combine(f.Path, "issued/.B.1.new"));
        f["issued/.B.1.new/issue.toml"] = f["issued/A/issue.toml"].Replace("number = \"1\"", "number = \"9\"", StringComparison.Ordinal);
        f.Run("issue", "B").Exit.Should().Be(0);
        f["issued/B/issue.toml"].Should().Contain("number = \"2\"").And.Contain("before = \"A\"");
    }

    [Fact]
    public void An_office_file_outside_the_folder_is_frozen_too()
    {
        using var f = new Folder();
        var inner = Path.Combine(f.Path, "job");
        Directory.CreateDirectory(inner);
        foreach (var name in new[] { "supports.csv", "reactions.csv" })
        {
            File.Move(Path.Combine(f.Path, name), Path.Combine(inner, name));
        }

        f["office.toml"] = "[concrete]\ncover-bottom = \"80 mm\"\n";
        f["job/plinth.toml"] = "extends = \"../office.toml\"\n" + Folder.Toml;
        File.Delete(Path.Combine(f.Path, "plinth.toml"));
        f.Run("size", "--all", "--project", "job").Exit.Should().Be(0);
        f.Run("issue", "A", "--project", "job").Exit.Should().Be(0);
        f["job/issued/A/inputs/office.toml"].Should().Contain("80 mm");
        f["job/issued/A/issue.toml"].Should().Contain("project = \"inputs/job\"");
        f["office.toml"] = "[concrete]\ncover-bottom = \"90 mm\"\n";
        f.Run("issue", "B", "--project", "job", "--anyway").Error.Should().Contain("cover 80 mm, 75 mm, 50 mm → 90 mm, 75 mm, 50 mm");
    }

    [Fact]
    public void What_is_built_is_only_checked()
    {
        using var f = Sized();
        var adopted = f["adopted.toml"];
        f["plinth.toml"] = Folder.Toml.Replace("200 kPa", "120 kPa", StringComparison.Ordinal)
            + "[[foundation]]\nmark = \"F2\"\nsupports = [\"C2\"]\nbuilt = true\n";
        var ran = f.Run("size", "--all", "--over");
        ran.Exit.Should().Be(1, "it fails now, and stays as it is");
        ran.Error.Should().Contain("Built, so only checked: F2");
        string Table(string text) => text[text.IndexOf("[F2]", StringComparison.Ordinal)..text.IndexOf("[F3]", StringComparison.Ordinal)];
        Table(f["adopted.toml"]).Should().Be(Table(adopted));
        f["adopted.toml"].Should().NotBe(adopted, "the others are sized for the softer ground");
        foreach (var call in new[] { new[] { "set", "F2", "width=3 m" }, ["options", "F2", "--take", "1"] })
        {
            var refused = f.Run(call);
            refused.Exit.Should().Be(2);
            refused.Error.Should().Contain("F2 is built, as plinth.toml says");
        }

        f.Run("check", "F2", "--set", "width=3 m").Out.Should().Contain("F2");
        f.Run("status").Out.Should().Contain("built");
    }
}
