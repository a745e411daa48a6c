using System.Text.Json;

namespace Plinth.Cli.Tests;

/// <summary>What governs, what is stale, what is built, what a support's footing is: told as it is.</summary>
public sealed class ToldTests
{
    private const string Pedestals = "[column]\nstrength = \"35 MPa\"\n[pedestal]\nunder = \"all\"\nheight = \"600 mm\"\n";

    private static readonly string[] LeastAmounts = ["minimum-steel-x", "minimum-steel-y", "bar-spacing-x", "bar-spacing-y", "least-depth",
        "steel-at-column"];

    private static List<JsonElement> Foundations(Folder f, params string[] more) =>
        [.. f.Run(["check", "--format", "json", .. more]).Json.GetProperty("foundations").EnumerateArray()];

    private static Folder Sized(string more = "")
    {
        var f = new Folder();
        f["plinth.toml"] += more;
        f.Run("size", "--all").Exit.Should().Be(0);
        return f;
    }

    [Theory]
    [InlineData("")]
    [InlineData(Pedestals)]
    public void A_least_amount_governs_only_where_it_fails(string more)
    {
        using var f = Sized(more);
        foreach (var footing in Foundations(f))
        {
            LeastAmounts.Should().NotContain(footing.GetProperty("governing").GetString());
        }

        // Of what is listed, another check of least amounts may be used more; it is listed, and does not govern.
        var checks = Foundations(f)[0].GetProperty("checks").EnumerateArray().ToList();
        checks.Select(c => c.GetProperty("id").GetString()).Should().Contain("minimum-steel-x");
        f.Run("set", "F1", "bottom-x=4 T12");
        var failing = f.Run("check").Out.Split('\n').First(l => l.StartsWith("F1", StringComparison.Ordinal));
        failing.Should().Contain("FAIL");
    }

    [Fact]
    public void What_stops_a_step_is_what_the_check_of_that_step_says()
    {
        using var f = Sized();
        var why = f.Run("show", "F1", "--why").Out.Split('\n').SkipWhile(l => !l.Contains("what stops", StringComparison.Ordinal)).ToList();
        why.Should().Contain(l => l.StartsWith("thickness", StringComparison.Ordinal)).And.Contain(l => l.StartsWith("length and width",
            StringComparison.Ordinal));
        var row = why.Single(l => l.StartsWith("bottom-x", StringComparison.Ordinal));
        var stopped = row.Split("  ", StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var tried = f.Run("check", "F1", "--set", $"bottom-x={stopped[0]["bottom-x ".Length..]}").Out.Split('\n')
            .First(l => l.StartsWith("F1", StringComparison.Ordinal));
        tried.Should().Contain("FAIL").And.Contain(stopped[1]).And.Contain(stopped[2]);
    }

    [Fact]
    public void Sizing_again_changes_nothing_and_says_so()
    {
        using var f = Sized();
        f.Run("status").Out.Should().NotContain("stale");
        f.Run("size", "--all", "--dry-run").Error.Should().Contain("Nothing would change");
        var before = f["adopted.toml"];
        f.Run("size", "--all").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(before);
        f.Replace("plinth.toml", "bearing = \"200 kPa\"", "bearing = \"260 kPa\"");
        f.Run("status").Out.Should().Contain("stale");
        f.Run("size", "--all", "--dry-run").Error.Should().MatchRegex("Nothing written: [123] would be");
        f["adopted.toml"].Should().Be(before);
        f.Run("size", "--all").Error.Should().Contain("written to");
        f.Run("status").Out.Should().NotContain("stale", "sizing has given another design");
    }

    [Fact]
    public void A_built_footing_is_checked_and_stands_in_no_quantity()
    {
        using var f = Sized();
        var whole = f.Run("schedule", "--format", "json").Json.GetProperty("total");
        f["plinth.toml"] += "[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nbuilt = true\n";
        var json = f.Run("schedule", "--format", "json").Json;
        var rows = json.GetProperty("footings").EnumerateArray().ToList();
        rows.Should().HaveCount(3);
        rows[0].GetProperty("existing").GetBoolean().Should().BeTrue();
        rows[1].TryGetProperty("existing", out _).Should().BeFalse();
        foreach (var what in (ReadOnlySpan<string>)["concrete_m3", "steel_kg", "excavation_m3", "formwork_m2"])
        {
            json.GetProperty("total").GetProperty(what).GetDouble()
                .Should().BeApproximately(whole.GetProperty(what).GetDouble() - rows[0].GetProperty(what).GetDouble(), 1e-9, what);
        }

        json.GetProperty("bars").EnumerateArray()
            .Select(b => b.GetProperty("member").GetString())
            .Should().NotContain("F1").And.Contain("F2");
        f.Run("schedule").Out.Should().Contain("C1 (existing)");
        f.Run("status").Out.Should().MatchRegex("built +1 +F1");
        var before = f["adopted.toml"];
        f.Replace("plinth.toml", "bearing = \"200 kPa\"", "bearing = \"150 kPa\"");
        f.Run("size", "--all").Error.Should().Contain("Built, so only checked: F1");
        var first = before[before.IndexOf("[F1]", StringComparison.Ordinal)..before.IndexOf("[F2]", StringComparison.Ordinal)];
        f["adopted.toml"].Should().Contain(first, "what is built stays as it is");
        f.Run("check").Out.Split('\n').First(l => l.StartsWith("F1", StringComparison.Ordinal)).Should().Contain("FAIL", "but is checked");
    }

    [Fact]
    public void A_rule_changed_after_sizing_makes_designs_stale_and_a_hand_edit_against_it_is_an_error()
    {
        using var f = Sized(Pedestals);
        var was = f["adopted.toml"].Split('\n').First(l => l.StartsWith("pedestal.bars", StringComparison.Ordinal)).Split('"')[1];
        f["plinth.toml"] += "bars = \"8 T25\"\n";
        var check = f.Run("check");
        check.Exit.Should().Be(1, "nothing of it is in force");
        check.Error.Should().Contain($"[F1] pedestal.bars \"{was}\" differs from [pedestal] bars \"8 T25\"").And.Contain(
            "warning").And.NotContain("error:");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("pedestal.bars = \"8 T25\"").And.NotContain($"pedestal.bars = \"{was}\"");
        f.Run("check").Error.Should().NotContain("differs");
        var at = f["adopted.toml"].IndexOf("pedestal.bars = \"8 T25\"", StringComparison.Ordinal);
        f["adopted.toml"] = f["adopted.toml"][..at] + "pedestal.bars = \"8 T16\""
            + f["adopted.toml"][(at + "pedestal.bars = \"8 T25\"".Length)..];
        var conflict = f.Run("check");
        conflict.Exit.Should().Be(2);
        conflict.Error.Should().MatchRegex(
            @"adopted\.toml:\d+:\d+: error: \[F1\] pedestal\.bars ""8 T16"" differs from \[pedestal\] bars ""8 T25""");
    }

    [Fact]
    public void A_support_shows_its_foundation()
    {
        using var f = Sized();
        f.Run("show", "C2").Out.Should().Be(f.Run("show", "F2").Out);
        var unknown = f.Run("show", "C9");
        unknown.Exit.Should().Be(2);
        unknown.Error.Should().Contain("C9");
    }

    [Fact]
    public void Checks_stand_in_groups_and_in_each_what_is_used_most_first()
    {
        using var f = Sized();
        var rows = f.Run("show", "F1").Out.Split('\n')
            .SkipWhile(l => !l.StartsWith('─'))
            .Skip(1)
            .TakeWhile(l => !l.StartsWith('·') && !l.StartsWith("Not checked", StringComparison.Ordinal))
            .ToList();
        var groups = string.Join('\n', rows.Select(r => r.TrimEnd())).Split("\n\n", StringSplitOptions.RemoveEmptyEntries);
        groups.Length.Should().BeGreaterThanOrEqualTo(2, "ground, concrete");
        groups[0].Should().Contain("bearing").And.NotContain("flexure");
        groups[1].Should().Contain("bottom flexure x").And.NotContain("sliding");
        foreach (var group in groups)
        {
            var used = group.Split('\n')
                .Where(l => l.Contains('✓') && !l.StartsWith("minimum", StringComparison.Ordinal)
                    && !l.StartsWith("bar spacing", StringComparison.Ordinal) && !l.StartsWith("least", StringComparison.Ordinal)
                    && !l.StartsWith("steel at", StringComparison.Ordinal))
                .Select(l => double.Parse(System.Text.RegularExpressions.Regex.Match(l, @"(\d+\.\d\d) +✓").Groups[1].Value,
                    System.Globalization.CultureInfo.InvariantCulture))
                .ToList();
            used.Should().BeInDescendingOrder();
        }
    }

    [Fact]
    public void An_issue_made_anyway_says_what_fails()
    {
        using var f = Sized();
        f.Run("set", "F2", "width=1500 mm", "length=1500 mm");
        f.Run("issue", "A").Exit.Should().NotBe(0);
        f.Has("issued/A/issue.toml").Should().BeFalse();
        f.Run("issue", "A", "--anyway").Exit.Should().Be(1);
        f["issued/A/report.html"].Should().Contain("FAIL");
        f["issued/A/foundation-plan.dxf"].Should().Contain("F2").And.Contain("FAIL");
    }

    [Fact]
    public void Comparing_after_grouping_says_where_a_mark_went()
    {
        using var f = Sized();
        using var old = new Folder();
        foreach (var file in (ReadOnlySpan<string>)["plinth.toml", "supports.csv", "reactions.csv", "adopted.toml"])
        {
            old[file] = f[file];
        }

        f.Run("group", "--types", "1").Exit.Should().Be(0);
        f.Run("compare", old.Path, f.Path, "--all").Out.Should().Contain("now in F1");
    }

    [Fact]
    public void Grouping_says_its_gap_and_moves_nothing_off_its_column()
    {
        // Thirty columns in two rows with loads of their own.
        using var f = new Folder();
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\n"
            + string.Concat(Enumerable.Range(1, 30).Select(i => $"C{i},{7 * (i % 15)},{8 * (i / 15)},400,400\n"));
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\n"
            + string.Concat(Enumerable.Range(1, 30)
                .Select(
                    i =>
                        $"C{i},DEAD,0,0,{300 + (17 * i)},0,0\nC{i},LIVE,0,0,{100 + (7 * i)},0,{i % 5}\nC{i},WX,{i % 4},0,0,0,{3 * (i % 4)}\n"));
        f.Run("size").Exit.Should().Be(0);
        var ran = f.Run("group", "--format", "json");
        var rows = ran.Json.GetProperty("choices").EnumerateArray().ToList();
        rows.Count.Should().BeGreaterThan(4);
        rows.Select(r => r.GetProperty("cost").GetDouble()).Should().BeInDescendingOrder("more types cost no more");
        f.Run("group").Out.Should().MatchRegex("least of all choices of so many among the designs adopted and\\s+their joins");
        f.Run("group", "--types", "4").Exit.Should().Be(0);
        f["adopted.toml"].Should().NotContain("shift-x").And.NotContain("shift-y");
        f.Run("check").Exit.Should().Be(0);
        f.Run("schedule", "--format", "csv").Out.Split('\n').Count(l => l.StartsWith('F')).Should().BeLessThanOrEqualTo(4);
    }

    [Theory]
    [InlineData("A-1", "A/1")]
    [InlineData("A1", "A/1")]
    public void Labels_of_the_grid_are_read_however_they_are_joined(string written, string same)
    {
        using var f = new Folder();
        string Plan(string first)
        {
            f["supports.csv"] =
                $"support,x (m),y (m),cx (mm),cy (mm),grid\nC1,0,0,400,400,{first}\n"
                    + $"C2,6,0,400,400,{first.Replace('A', 'B')}\nC3,12,0,400,500,{first.Replace('A', 'C')}\n";
            f.Run("size", "--all").Exit.Should().Be(0);
            f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
            return f["plan.svg"];
        }

        Plan(written).Should().Be(Plan(same));
    }

    [Theory]
    [InlineData("rectangular", "rect")]
    [InlineData("square", "rect")]
    [InlineData("circular", "round")]
    public void Shapes_of_columns_are_read_in_other_words_too(string word, string shape)
    {
        using var f = new Folder();
        string Checked(string s)
        {
            f["supports.csv"] = $"support,x (m),y (m),shape,cx (mm)\nC1,0,0,{s},400\nC2,6,0,{s},400\nC3,12,0,{s},400\n";
            f.Run("size", "--all").Exit.Should().Be(0);
            return f["adopted.toml"];
        }

        Checked(word).Should().Be(Checked(shape));
    }

    [Fact]
    public void A_plate_makes_a_column_of_steel_and_an_angle_without_unit_is_in_degrees()
    {
        using var f = new Folder();
        f["supports.csv"] =
            "support,x (m),y (m),cx (mm),cy (mm),plate-x (mm),plate-y (mm),angle\nC1,0,0,200,200,350,350,30\n"
                + "C2,6,0,200,200,350,350,0\nC3,12,0,200,200,350,350,0\n";
        var ran = f.Run("size", "--all");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Error.Should().Contain("taken as a steel column");
        f.Run("show", "F1", "--settings").Exit.Should().Be(0);
        f.Run("check", "F1").Error.Should().NotContain("angle");
        f["supports.csv"] = f["supports.csv"].Replace("angle\n", "angle (deg)\n", StringComparison.Ordinal)
            .Replace("plate-y (mm)", "plate-y (mm),shape", StringComparison.Ordinal)
            .Replace("350,350,", "350,350,steel,", StringComparison.Ordinal);
        var before = f["adopted.toml"];
        f.Run("size", "--all").Error.Should().NotContain("taken as a steel column");
        f["adopted.toml"].Should().Be(before, "it says the same in words");
    }

    [Fact]
    public void Help_is_a_line_a_command()
    {
        using var f = new Folder();
        var lines = f.Run("--help").Out.Split('\n');
        lines.Length.Should().BeLessThan(45, "one screen");
        foreach (var command in (ReadOnlySpan<string>)["new", "import", "audit", "size", "check", "show", "set", "group", "draw",
            "schedule", "report", "issue", "compare"])
        {
            lines.Count(l => l.TrimStart().StartsWith(command + " ", StringComparison.Ordinal)).Should().Be(1, command);
        }
    }
}
