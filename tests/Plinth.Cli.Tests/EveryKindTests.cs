using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;

namespace Plinth.Cli.Tests;

/// <summary>A building that stands on foundations of every kind, sized once.</summary>
public sealed class EveryKindBuilding : IDisposable
{
    public EveryKindBuilding()
    {
        Sized = Folder.Building("every-kind");
        Ran = Sized.Run("size");
        Checked = [.. Sized.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()];
    }

    /// <summary>Its folder; a test that writes takes a copy.</summary>
    public Folder Sized { get; }

    /// <summary>What sizing gave back.</summary>
    public Ran Ran { get; }

    /// <summary>What the checks found.</summary>
    public IReadOnlyList<JsonElement> Checked { get; }

    public Folder Copy()
    {
        var copy = Folder.Building("every-kind");
        copy["adopted.toml"] = Sized["adopted.toml"];
        return copy;
    }

    public void Dispose() => Sized.Dispose();
}

/// <summary>What every command does with foundations of every kind, and what must not change what is found for them.</summary>
public class EveryKindTests(EveryKindBuilding building) : IClassFixture<EveryKindBuilding>
{
    private static readonly string[] Marks = ["CF1", "CF2", "F1", "PC1", "SF1", "ST1", "ST2", "WF1", "WF2"];

    public static TheoryData<string> Each => [.. Marks];

    private static List<JsonElement> Foundations(Folder f, int exit = 0)
    {
        var ran = f.Run("check", "--format", "json");
        ran.Exit.Should().Be(exit, ran.Error);
        return [.. ran.Json.GetProperty("foundations").EnumerateArray()];
    }

    private static string MarkOf(JsonElement e) => e.GetProperty("mark").GetString()!;

    [Fact]
    public void All_are_found_once_and_pass_in_every_check()
    {
        building.Ran.Exit.Should().Be(0, building.Ran.Error + building.Ran.Out);
        var all = building.Checked;
        all.Select(MarkOf).Should().Equal(Marks);
        foreach (var f in all)
        {
            var checks = f.GetProperty("checks").EnumerateArray().ToList();
            checks.Should().OnlyContain(c => c.GetProperty("passes").GetBoolean()).And.HaveCountGreaterThan(8, MarkOf(f));
            var governing = f.GetProperty("utilisation").GetDouble();
            checks.Max(c => c.GetProperty("utilisation").GetDouble()).Should().BeGreaterThanOrEqualTo(governing - 1e-9);
        }

        building.Ran.Out.Should().NotContain("none", "a layer without bars takes no line");
        using var again = building.Copy();
        again.Run("size").Error.Should().Contain("Nothing to write");
        again["adopted.toml"].Should().Be(building.Sized["adopted.toml"], "what is read is what was written");
        again.Run("status", "--format", "json").Json.GetProperty("passes").GetArrayLength().Should().Be(Marks.Length);
    }

    [Fact]
    public void What_passes_beyond_its_capacity_says_by_what()
    {
        var seen = 0;
        foreach (var of in building.Checked)
        {
            var odd = of.GetProperty("checks").EnumerateArray().Where(c => c.GetProperty("passes").GetBoolean()
                && c.GetProperty("demand").GetDouble() > c.GetProperty("capacity").GetDouble() * (1 + 1e-9)
                && c.GetProperty("capacity").GetDouble() > 0 && c.GetProperty("utilisation").GetDouble() > 0).ToList();
            foreach (var check in odd)
            {
                seen++;
                var note = check.GetProperty("note").GetString();
                note.Should().NotBeNullOrEmpty($"{MarkOf(of)} {check.GetProperty("id")}");
                Regex.Replace(building.Sized.Run("show", MarkOf(of)).Out, @"\s+", " ").Should().Contain(note);
            }
        }

        seen.Should().BePositive("short overhangs are held by plain concrete");
    }

    [Fact]
    public void Schedules_add_up_over_all_kinds()
    {
        var schedule = building.Sized.Run("schedule", "--format", "json").Json;
        var footings = schedule.GetProperty("footings").EnumerateArray().ToList();
        var bars = schedule.GetProperty("bars").EnumerateArray().ToList();
        var total = schedule.GetProperty("total");
        footings.Select(MarkOf).Should().Equal(Marks);
        foreach (var (of, checkedOnes) in footings.Zip(building.Checked))
        {
            // Quantities stand in the schedule as in what is checked, and a foundation's steel is that of its bars.
            foreach (var what in (string[])["concrete_m3", "steel_kg"])
            {
                of.GetProperty(what).GetDouble().Should().BeApproximately(checkedOnes.GetProperty(what).GetDouble(), 1e-6, MarkOf(of));
            }

            bars.Where(b => b.GetProperty("member").GetString() == MarkOf(of)).Sum(b => b.GetProperty("mass_kg").GetDouble())
                .Should().BeApproximately(of.GetProperty("steel_kg").GetDouble() * of.GetProperty("number_off").GetInt32(), 1e-6, MarkOf(of));
        }

        foreach (var what in (string[])["concrete_m3", "steel_kg", "excavation_m3", "formwork_m2", "blinding_m3"])
        {
            total.GetProperty(what).GetDouble().Should().BeApproximately(
                footings.Sum(f => f.GetProperty(what).GetDouble() * f.GetProperty("number_off").GetInt32()), 1e-6, what);
        }

        var table = building.Sized.Run("schedule").Out;
        table.IndexOf("Total of all foundations: concrete", StringComparison.Ordinal).Should()
            .BeGreaterThan(Marks.Max(m => table.LastIndexOf(m, StringComparison.Ordinal)), "below all tables of those that it adds up");
        string[] Uses(string mark) => [.. bars.Where(b => b.GetProperty("member").GetString() == mark).Select(b => b.GetProperty("use").GetString()!)];
        Uses("SF1").Should().Contain(["top of the beam", "bottom of the beam", "stirrups of the beam"]);
        Uses("ST2").Should().Contain(["top of the rib", "bottom of the rib", "stirrups of the rib"]).And.NotContain(u => u.Contains("beam"));
        foreach (var b in bars)
        {
            b.GetProperty("total").GetInt32().Should().Be(b.GetProperty("members").GetInt32() * b.GetProperty("in_each").GetInt32());
            var size = double.Parse(b.GetProperty("size").GetString()![1..], CultureInfo.InvariantCulture) / 1000;
            var mass = b.GetProperty("total").GetInt32() * b.GetProperty("length_m").GetDouble() * Math.PI / 4 * size * size * 7850;
            b.GetProperty("mass_kg").GetDouble().Should().BeApproximately(mass, 1e-6 * mass, "7,850 kg/m3");
        }
    }

    [Fact]
    public void The_brief_schedule_explains_what_it_shows_and_the_issued_one_all_its_columns()
    {
        var shown = building.Sized.Run("schedule").Out;
        foreach (var absent in new[] { "eyond first", "pitch", "To −y", "cross: along y", "y none" })
        {
            shown.Should().NotContain(absent);
        }

        shown.Should().Contain("from the edge column").And.Contain("Level: of the underside.");
        building.Sized.Run("schedule", "--what", "straps").Out.Should().Contain("Across: along y.").And.Contain("Underside: level");
        building.Sized.Run("schedule", "--what", "walls").Out.Should().Contain("To −y, to +y: from the wall's centreline");
        building.Sized.Run("schedule", "--what", "pile caps").Out.Should().Contain("pitch: least distance of their centres");
    }

    [Fact]
    public void Units_of_the_reactions_change_nothing()
    {
        using var f = Folder.Building("every-kind");
        const double kip = 4.4482216152605;
        const double kipFoot = kip * 0.3048;
        string Number(string of, double unit) => (double.Parse(of, CultureInfo.InvariantCulture) / unit).ToString("R", CultureInfo.InvariantCulture);
        f.Rewrite(c => [c[0], c[1], .. c[2..5].Select(v => Number(v, kip)), .. c[5..].Select(v => Number(v, kipFoot))]);
        f["reactions.csv"] = f["reactions.csv"].Replace("(kNm)", "(kip ft)", StringComparison.Ordinal)
            .Replace("(kN)", "(kip)", StringComparison.Ordinal);
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Be(building.Sized["adopted.toml"]);
    }

    [Fact]
    public void Where_the_building_stands_and_how_its_tables_are_sorted_changes_nothing()
    {
        using var f = Folder.Building("every-kind");
        f["plinth.toml"] = Regex.Replace(f["plinth.toml"], "(?m)^([xy]2?) = \"([0-9.]+) m\"$", m =>
            $"{m.Groups[1].Value} = \"{(double.Parse(m.Groups[2].Value, CultureInfo.InvariantCulture) + (m.Groups[1].Value[0] == 'x' ? 137 : -59))
                .ToString(CultureInfo.InvariantCulture)} m\"");
        var lines = f["supports.csv"].Split('\n', StringSplitOptions.RemoveEmptyEntries);
        f["supports.csv"] = string.Join('\n', lines.Skip(1).Reverse().Select(l => l.Split(',')).Select(c => string.Join(',',
            (string[])[
                c[0], (double.Parse(c[1], CultureInfo.InvariantCulture) + 137).ToString("0.###", CultureInfo.InvariantCulture),
                (double.Parse(c[2], CultureInfo.InvariantCulture) - 59).ToString("0.###", CultureInfo.InvariantCulture), .. c[3..],
            ])).Prepend(lines[0])) + "\n";
        var rows = f["reactions.csv"].Split('\n', StringSplitOptions.RemoveEmptyEntries);
        f["reactions.csv"] = string.Join('\n', rows.Skip(1).OrderBy(r => r.Length).ThenByDescending(r => r, StringComparer.Ordinal)
            .Prepend(rows[0])) + "\n";
        f.Run("size").Exit.Should().Be(0);
        Tables(f["adopted.toml"]).Should().BeEquivalentTo(Tables(building.Sized["adopted.toml"]));
    }

    // What is written for each mark, without the line that tells under what it was found.
    private static Dictionary<string, string> Tables(string adopted) => Regex.Split(adopted, "(?m)^\\[").Skip(1).ToDictionary(
        t => t[..t.IndexOf(']', StringComparison.Ordinal)], t => Regex.Replace(t, "found = .*\n", ""));

    [Fact]
    public void In_feet_and_inches_nothing_is_told_in_metres()
    {
        using var f = Folder.Building("every-kind");
        f.Replace("plinth.toml", "code = \"aci318m-19\"", "code = \"aci318-19\"\nunits = \"us\"");
        var sized = f.Run("size");
        sized.Exit.Should().Be(0, sized.Error);
        sized.Out.Should().NotContain(" in ", "inches bear their mark in tables").And.Contain("\"");
        f.Run("report", "--depth", "full", "--to", "r.html").Exit.Should().Be(0);
        var report = Regex.Replace(Regex.Replace(f["r.html"], "(?s)<style.*?</style>", ""), "<[^>]+>", " ");

        // Limits that the code states in both.
        report = Regex.Replace(report, @"6 in \| 150 mm|300 mm \(12 in\)|No\. 5 \(16 mm\)|60 ksi \(420 MPa\)", "");
        foreach (var (told, what) in new[] { (sized.Out, "size"), (f.Run("schedule").Out, "schedule"), (f.Run("check").Out, "check"),
            (f.Run("show", "ST2", "--diagrams").Out, "diagrams"), (report, "report") })
        {
            Regex.Matches(told, @"[^\n]{0,60}[\d∞]\s?(mm|m|m2|m3|kN|kNm|kPa|MPa|kg)(?![\w.])[^\n]{0,20}").Select(m => m.Value)
                .Should().BeEmpty(what);
        }
    }

    [Fact]
    public void One_thread_finds_the_same_as_many()
    {
        using var f = Folder.Building("every-kind");
        var start = Program.Start(f.Path, "size");
        start.Environment["DOTNET_PROCESSOR_COUNT"] = "1";
        Program.Run(start).Exit.Should().Be(0);
        f["adopted.toml"].Should().Be(building.Sized["adopted.toml"]);
    }

    [Theory]
    [InlineData("detail", "")]
    [InlineData("bars", "CF1 CF2 SF1 ST1 ST2")]
    [InlineData("pressure", "PC1")]
    [InlineData("piles", "CF1 CF2 F1 SF1 ST1 ST2 WF1 WF2")]
    [InlineData("struts", "CF1 CF2 F1 SF1 ST1 ST2 WF1 WF2")]
    [InlineData("sections", "")]
    [InlineData("forces", "")]
    [InlineData("body", "CF1 CF2 F1 PC1 SF1 ST1 ST2")]
    [InlineData("steel", "CF1 CF2 SF1 ST1 ST2")]
    public void What_can_be_drawn_is_drawn_and_what_cannot_is_named_with_its_reason(string what, string without)
    {
        using var f = building.Copy();
        var ran = f.Run("draw", "--what", what, "--to", "d.svg");
        ran.Exit.Should().Be(0, ran.Error);
        var left = without.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (left.Length == 0)
        {
            ran.Error.Should().NotContain("Left out");
        }
        else
        {
            ran.Error.Should().MatchRegex($@"Left out: [^\n]+ \({string.Join(", ", left.Take(left.Length <= 6 ? 6 : 5))}");
            var named = f.Run("draw", left[0], "--what", what, "--to", "none.svg");
            named.Exit.Should().Be(2);
            named.Error.Should().Contain("nothing to draw: ").And.Contain($"({left[0]})");
            f.Has("none.svg").Should().BeFalse();
        }

        foreach (var mark in Marks.Except(left))
        {
            var drawn = f[left.Length == Marks.Length - 1 ? "d.svg" : $"d-{mark}.svg"];
            drawn.Should().Contain(mark).And.NotContain("NaN").And.NotContain("∞").And.Contain("</svg>");
        }
    }

    [Theory]
    [InlineData("pdf")]
    [InlineData("dxf")]
    public void Details_of_all_are_written_in_the_forms_that_sites_read(string form)
    {
        using var f = building.Copy();
        f.Run("draw", "--what", "detail", "--to", $"d.{form}").Exit.Should().Be(0);
        if (form == "pdf")
        {
            Encoding.ASCII.GetString(File.ReadAllBytes(Path.Combine(f.Path, "d.pdf")).AsSpan(0, 5)).Should().Be("%PDF-");
            return;
        }

        foreach (var mark in Marks)
        {
            f[$"d-{mark}.dxf"].Should().EndWith("EOF\n").And.NotContain("NaN").And.Contain(mark);
        }
    }

    [Theory]
    [MemberData(nameof(Each))]
    public void Its_checks_are_followed_step_by_step_to_the_number_in_the_table(string mark)
    {
        var of = building.Checked.Single(e => MarkOf(e) == mark);
        var worst = of.GetProperty("checks").EnumerateArray().Where(c => c.GetProperty("utilisation").GetDouble() > 0)
            .OrderByDescending(c => c.GetProperty("utilisation").GetDouble()).DistinctBy(c => c.GetProperty("id").GetString()).Take(3);
        foreach (var check in worst)
        {
            var id = check.GetProperty("id").GetString()!;
            string[] at = check.TryGetProperty("at", out var where) && where.ValueKind == JsonValueKind.String
                && !where.GetString()!.Contains('+', StringComparison.Ordinal) ? ["--at", where.GetString()!] : [];
            var shown = building.Sized.Run(["show", mark, id, .. at]);
            shown.Exit.Should().Be(0, $"{mark} {id} {string.Join(' ', at)}: {shown.Error}");
            shown.Out.Should().NotContain("NaN").And.Contain(check.GetProperty("combination").GetString() ?? id.Split('-')[0]);
            var used = check.GetProperty("utilisation").GetDouble();
            Regex.Matches(shown.Out, @"\d+\.\d{2,4}").Select(m => double.Parse(m.Value, CultureInfo.InvariantCulture))
                .Should().Contain(v => Math.Abs(v - used) < 0.006, $"{mark} {id} tells its utilisation {used} in\n{shown.Out}");
        }
    }

    [Theory]
    [InlineData("CF2")]
    [InlineData("PC1")]
    [InlineData("SF1")]
    [InlineData("WF2")]
    public void One_of_its_alternatives_is_taken_and_held(string mark)
    {
        using var f = building.Copy();
        var listed = f.Run("options", mark, "--format", "json");
        listed.Exit.Should().Be(0, listed.Error);
        var all = listed.Json.GetProperty("options").EnumerateArray().ToList();
        all.Should().NotBeEmpty();
        var number = all.Count.ToString(CultureInfo.InvariantCulture);
        f.Run("options", mark, "--take", number).Exit.Should().Be(0);
        f.Run("check", mark).Exit.Should().Be(0, "an alternative passes");
        var taken = f["adopted.toml"];
        Tables(taken).Where(t => t.Key != mark).Should().BeEquivalentTo(Tables(building.Sized["adopted.toml"]).Where(t => t.Key != mark));
    }

    [Theory]
    [InlineData("CF1", "thickness", "600 mm")]
    [InlineData("CF2", "bottom-x", "20 T20")]
    [InlineData("F1", "thickness", "600 mm")]
    [InlineData("PC1", "thickness", "900 mm")]
    [InlineData("SF1", "inner.thickness", "600 mm")]
    [InlineData("ST1", "width", "1.9 m")]
    [InlineData("ST2", "stirrups", "T10 @ 100 mm")]
    [InlineData("WF1", "thickness", "400 mm")]
    [InlineData("WF2", "toe", "1 m")]
    public void A_value_written_by_hand_is_checked_at_once_held_and_named(string mark, string key, string value)
    {
        using var f = building.Copy();
        var set = f.Run("set", mark, $"{key}={value}");
        set.Exit.Should().BeOneOf([0, 1], set.Error);
        set.Out.Should().Contain(mark);
        var written = f["adopted.toml"];
        written.Should().NotBe(building.Sized["adopted.toml"]);
        var again = f.Run("size");
        again.Exit.Should().Be(set.Exit);
        again.Out.Should().MatchRegex($@"{mark}[\s\S]*by hand");
        f["adopted.toml"].Should().Be(written, "sizing leaves what was written by hand");
        var other = f.Run("set", mark, $"{key}=nothing of the kind");
        other.Exit.Should().Be(2);
        f["adopted.toml"].Should().Be(written, "a value that is none changes nothing");
    }

    [Fact]
    public void Under_heavier_loads_each_that_fails_is_named_found_again_and_told_from_before()
    {
        using var f = building.Copy();
        f.Rewrite(c => [c[0], c[1], .. c[2..].Select(v => (1.4 * double.Parse(v, CultureInfo.InvariantCulture)).ToString("R", CultureInfo.InvariantCulture))]);
        var compared = f.Run("compare", building.Sized.Path, "--format", "json");
        var failing = Foundations(f, 1).Where(e => !e.GetProperty("passes").GetBoolean()).Select(MarkOf).ToList();
        failing.Should().Contain(["CF1", "CF2", "F1", "PC1", "SF1", "ST1", "ST2"]);
        foreach (var mark in failing)
        {
            compared.Out.Should().Contain($"\"{mark}\"", "what fails now is told");
        }

        f.Run("size").Exit.Should().Be(0);
        Foundations(f).Should().OnlyContain(e => e.GetProperty("passes").GetBoolean());
        var (then, now) = (Tables(building.Sized["adopted.toml"]), Tables(f["adopted.toml"]));
        now.Where(t => t.Value == then[t.Key]).Select(t => t.Key).Should().NotContain(failing);
    }

    [Fact]
    public void Live_load_on_some_of_several_columns_alone_is_checked_where_it_is_asked_for()
    {
        using var f = building.Copy();
        Regex.Replace(f.Run("check").Out, @"\s+", " ").Should()
            .Contain("partial-live (give [loads] partial-live = true) of CF1, CF2, SF1, ST1, ST2");
        f.Replace("plinth.toml", "[loads]", "[loads]\npartial-live = true");
        var ran = f.Run("check", "--format", "json");
        ran.Exit.Should().Be(1, "what was sized without it does not stand");
        var governing = ran.Json.GetProperty("foundations").EnumerateArray().SelectMany(e => e.GetProperty("checks").EnumerateArray()
            .Where(c => c.TryGetProperty("combination", out var name) && name.GetString() is { } told && told.Contains("L@", StringComparison.Ordinal))
            .Select(_ => MarkOf(e))).Distinct();
        governing.Should().BeSubsetOf(["CF1", "CF2", "SF1", "ST1", "ST2"]).And.HaveCountGreaterThan(2);
        f.Run("check").Out.Should().NotContain("partial-live");

        var labels = ran.Json.GetProperty("foundations").EnumerateArray().Single(e => MarkOf(e) == "CF1").GetProperty("places")[0]
            .GetProperty("supports").EnumerateArray().Select(s => s.GetString()!).ToList();
        var alone = $"S2:L@{labels[0]}";
        var steps = f.Run("show", "CF1", "bearing", "--combination", alone).Out;
        steps.Should().Contain($"LIVE@{labels[0]}]").And.Contain($"N[{labels[1]}]    = 1·N[{labels[1]}, DEAD]").And.NotContain($"LIVE@{labels[1]}]");
        Regex.Replace(f.Run("combos").Out, @"\s+", " ").Should().Contain($"{alone} with that of {labels[0]} alone");
        f.Run("report", "CF1", "--combination", alone, "--to", "part.html").Exit.Should().Be(1, "it fails");
        f["part.html"].Should().Contain("S2:L@").And.Contain("with that of some of them alone");
        f.Run("show", "CF1", "bearing", "--combination", alone + "0").Error.Should().Contain($"did you mean {alone}?");
        f.Run("show", "F1", "bearing", "--combination", alone).Error.Should().Contain($"there is no combination \"{alone}\"");
        f.Run("size").Exit.Should().Be(0);
        f.Run("check").Exit.Should().Be(0);
    }

    [Fact]
    public void What_is_of_walls_alone_is_named_so_where_it_is_asked_of_a_footing()
    {
        var ran = building.Sized.Run("show", "F1", "bearing", "--combination", "S2:EARTH");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("F1 is not checked for S2:EARTH, which is of walls that hold back soil");
    }

    [Fact]
    public void An_issue_freezes_all_of_them_and_the_next_tells_what_changed()
    {
        using var f = building.Copy();
        f.Run("issue", "A").Exit.Should().Be(0);
        f.Run("set", "ST1", "width=1.9 m").Exit.Should().BeOneOf(0, 1);
        f.Run("set", "WF1", "thickness=400 mm").Exit.Should().BeOneOf(0, 1);
        var next = f.Run("issue", "B", "--anyway");
        next.Exit.Should().BeOneOf([0, 1], next.Error);
        var said = next.Out + next.Error;
        said = said[said.IndexOf("Issued as B", StringComparison.Ordinal)..];
        said.Should().Contain("ST1").And.Contain("WF1").And.NotContain("PC1");
        f.Has("issued/B/change-note.pdf").Should().BeTrue();
        f["issued/A/inputs/adopted.toml"].Should().Be(building.Sized["adopted.toml"], "what was issued stays as it was");
    }

    [Fact]
    public void What_is_built_is_neither_sized_nor_scheduled_as_new()
    {
        using var f = building.Copy();
        f["plinth.toml"] = Regex.Replace(f["plinth.toml"], "(?m)^\\[\\[foundation\\]\\]$", "[[foundation]]\nbuilt = true");
        f.Rewrite(c => [c[0], c[1], .. c[2..].Select(v => (1.2 * double.Parse(v, CultureInfo.InvariantCulture)).ToString("R", CultureInfo.InvariantCulture))]);
        f.Run("size").Exit.Should().Be(1, "bases that stand cannot be made larger");
        var (then, now) = (Tables(building.Sized["adopted.toml"]), Tables(f["adopted.toml"]));
        foreach (var mark in Marks.Except(["F1", "WF1"]))
        {
            now[mark].Should().Be(then[mark]);
        }

        f.Run("schedule", "--format", "json").Json.GetProperty("bars").EnumerateArray().Select(b => b.GetProperty("member").GetString())
            .Distinct().Should().BeEquivalentTo(["F1", "WF1"], "what is there is in no bars");
    }

    [Theory]
    [InlineData("html")]
    [InlineData("pdf")]
    [InlineData("docx")]
    public void Each_has_its_chapter_in_a_report_of_any_form(string form)
    {
        using var f = building.Copy();
        f.Run("report", "--depth", "full", "--to", $"r.{form}").Exit.Should().Be(0);
        switch (form)
        {
            case "html":
                f["r.html"].Should().NotContain(">NaN").And.NotContain(" NaN").And.NotContain("∞");
                for (var i = 1; i <= Marks.Length; i++)
                {
                    var chapter = f["r.html"][f["r.html"].IndexOf($"id=\"f-{i}\"", StringComparison.Ordinal)..];
                    chapter[..300].Should().Contain(Marks[i - 1], "its chapter can be linked to");
                }

                break;
            case "pdf":
                var bytes = File.ReadAllBytes(Path.Combine(f.Path, "r.pdf"));
                Encoding.ASCII.GetString(bytes.AsSpan(0, 5)).Should().Be("%PDF-");
                Regex.Count(Encoding.Latin1.GetString(bytes), "/Type ?/Page[^s]").Should().BeGreaterThan(2 * Marks.Length);
                break;
            default:
                using (var zip = ZipFile.OpenRead(Path.Combine(f.Path, "r.docx")))
                using (var reader = new StreamReader(zip.GetEntry("word/document.xml")!.Open()))
                {
                    var text = reader.ReadToEnd();
                    Marks.Should().OnlyContain(m => text.Contains(m));
                }

                break;
        }
    }

    [Fact]
    public void A_check_that_is_waived_for_all_marks_governs_none()
    {
        using var f = building.Copy();
        f["plinth.toml"] += "\n[[waive]]\ncheck = \"bearing\"\nwhy = \"stated by the ground engineer\"\n";
        f["reactions.csv"] = f["reactions.csv"];
        foreach (var of in Foundations(f))
        {
            of.GetProperty("checks").EnumerateArray().Where(c => c.GetProperty("id").GetString() == "bearing")
                .Should().OnlyContain(c => c.GetProperty("passes").GetBoolean(), MarkOf(of));
            (of.GetProperty("governing").ToString().Contains("\"bearing\"", StringComparison.Ordinal)).Should().BeFalse(MarkOf(of));
        }

        f.Run("status").Out.Should().Contain("bearing");
    }
}
