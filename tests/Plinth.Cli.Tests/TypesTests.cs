using System.Globalization;

namespace Plinth.Cli.Tests;

/// <summary>Few types of footing where some have something written for them, and how near the least a choice is.</summary>
public sealed class TypesTests
{
    private const string Supports =
        "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,6,0,400,400\nC3,12,0,400,400\nC4,18,0,400,400\n";

    private static Folder Row(string more = "")
    {
        var f = new Folder();
        f["plinth.toml"] = Folder.Toml + more;
        f["supports.csv"] = Supports;
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\n"
            + string.Concat(new[] { ("C1", 400), ("C2", 420), ("C3", 410),
                ("C4",
                    700) }.Select(
                        s =>
                            FormattableString.Invariant(
                                $"{s.Item1},DEAD,0,0,{s.Item2},0,0\n{s.Item1},LIVE,0,0,{s.Item2 / 3},0,0\n{s.Item1},WX,10,0,0,0,20\n")));
        f.Run("size", "--all").Exit.Should().Be(0);
        return f;
    }

    private static List<string> Marks(Folder f) =>
        [.. f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .Select(x => x.GetProperty("mark").GetString()!)];

    [Theory]
    [InlineData("leave-out = [\"*-WX\"]")]
    [InlineData("combinations = [\"S*\", \"U*\"]")]
    public void A_choice_of_combinations_alone_forces_no_type_of_its_own(string choice)
    {
        using var f = Row($"[[foundation]]\nmark = \"F2\"\nsupports = [\"C2\"]\n{choice}\n");
        f.Run("group", "--format", "json").Json.GetProperty("kept").GetArrayLength().Should().Be(0);
        var ran = f.Run("group", "--types", "1");
        ran.Exit.Should().Be(0, ran.Out + ran.Error);

        // It keeps its mark, since its choice stands under it, and has the design of the others.
        Marks(f).Should().BeEquivalentTo("F1", "F2");
        var rows = f.Run("schedule", "--format", "json").Json.GetProperty("footings").EnumerateArray().ToList();
        rows.Select(r => (r.GetProperty("length_m").GetDouble(), r.GetProperty("thickness_m").GetDouble(),
            r.GetProperty("bottom-x").GetString())).Distinct().Should().ContainSingle();
        rows.Select(r => r.GetProperty("number_off").GetInt32()).Order().Should().Equal(1, 3);
        f.Run("check").Exit.Should().Be(0);
        f.Run("size").Error.Should().Contain("Nothing to write");
        f.Run("group", "--format", "json").Json.GetProperty("choices").EnumerateArray()
            .Select(c => c.GetProperty("types").GetInt32())
            .Should().Equal(1);
    }

    [Fact]
    public void A_size_of_its_own_is_a_type_of_its_own()
    {
        using var f = Row("[[foundation]]\nmark = \"F2\"\nsupports = [\"C2\"]\nwidth = \"2.2 m\"\n");
        f.Run("group", "--format", "json").Json.GetProperty("kept").EnumerateArray().Select(m => m.GetString()).Should().Equal("F2");
        f.Run("group", "--types", "1").Error.Should().Contain("1 type is too few: 1 keeps a design of its own (F2)")
            .And.Contain("write --types 2");
        f.Run("group", "--types", "2").Exit.Should().Be(0);
        Marks(f).Should().BeEquivalentTo("F1", "F2");
    }

    [Fact]
    public void Concrete_of_its_own_for_the_first_mark_leaves_the_others_to_be_types()
    {
        using var f = Row("[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nconcrete.strength = \"40 MPa\"\n");
        f.Run("group", "--format", "json").Json.GetProperty("kept").EnumerateArray().Select(m => m.GetString()).Should().Equal("F1");
        f.Run("group", "--types", "2").Exit.Should().Be(0);
        Marks(f).Should().BeEquivalentTo("F1", "F2");
    }

    [Fact]
    public void A_hand_edit_keeps_its_design()
    {
        using var f = Row();
        f.Run("set", "F3", "length=2.6 m", "width=2.6 m").Exit.Should().BeOneOf(0, 1);
        var table = f["adopted.toml"].Split("[F3]")[1].Split('[')[0];
        f.Run("group", "--types", "2").Exit.Should().BeOneOf(0, 1);
        f["adopted.toml"].Should().Contain("[F3]" + table);
        Marks(f).Should().BeEquivalentTo("F1", "F3");
    }

    [Theory]
    [InlineData("1 %")]
    [InlineData("1%")]
    [InlineData("1")]
    [InlineData("0.5 %")]
    [InlineData("0")]
    public void A_share_is_written_as_people_write_it(string share)
    {
        using var f = Row();
        var json = f.Run("group", "--within", share, "--format", "json").Json;
        var most = double.Parse(share.TrimEnd('%').Trim(), CultureInfo.InvariantCulture) / 100;
        foreach (var choice in json.GetProperty("choices").EnumerateArray())
        {
            choice.GetProperty("gap").GetDouble().Should().BeLessThanOrEqualTo(most + 1e-9);
        }
    }

    [Theory]
    [InlineData("much")]
    [InlineData("-1 %")]
    [InlineData("51 %")]
    [InlineData("1 m")]
    public void Another_share_is_refused_with_an_example(string share)
    {
        using var f = Row();
        var ran = f.Run("group", $"--within={share}");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(share).And.Contain("from 0 to 50; write for example --within \"1 %\"");
    }

    [Fact]
    public void Rows_name_the_marks_and_cost_no_more_with_more_types()
    {
        using var f = Row();
        var screen = f.Run("group").Out;
        screen.Should().Contain("4 of ").And.Contain("(F1, F2, F3, F4)").And.Contain("above least");
        var csv = f.Run("group", "--format", "csv").Out.Split('\n', StringSplitOptions.RemoveEmptyEntries);
        csv[0].Should().Be("types,cost,concrete (m3),steel (kg),type,number,marks");
        var costs = csv.Skip(1)
            .Select(l => (Types: int.Parse(l.Split(',')[0], CultureInfo.InvariantCulture),
                Cost: double.Parse(l.Split(',')[1], CultureInfo.InvariantCulture)))
            .Distinct()
            .OrderBy(c => c.Types)
            .ToList();
        costs.Select(c => c.Cost).Should().BeInDescendingOrder();
        csv.Skip(1).Where(l => l.StartsWith("1,", StringComparison.Ordinal)).Should().ContainSingle().Which.Should().EndWith("F1 F2 F3 F4");
    }

    [Fact]
    public void Every_format_of_every_command_is_whole_and_reads_back()
    {
        using var f = Row();
        foreach (var command in new[] { "check", "schedule", "combos", "audit", "status", "options F1", "show F1", "show F1 bearing",
            "show F1 --settings", "group", "size --dry-run" })
        {
            var words = command.Split(' ');
            var json = f.Run([.. words, "--format", "json"]);
            json.Exit.Should().BeOneOf([0, 1], command);
            json.Json.GetProperty("schema").GetString().Should().StartWith("keen-plinth/", command);
            var csv = f.Run([.. words, "--format", "csv"]);
            csv.Exit.Should().Be(json.Exit, command);
            var lines = csv.Out.Split('\n', StringSplitOptions.RemoveEmptyEntries);
            lines.Should().HaveCountGreaterThan(1, command);
            var cells = lines.Select(l => System.Text.RegularExpressions.Regex.Replace(l, "\"[^\"]*\"", "x").Count(c => c == ',')).ToList();
            cells.Should().OnlyContain(n => n == cells[0], $"{command}: every row has every column");
            f.Run([.. words, "--format", "xml"]).Exit.Should().Be(2, command);
            f.Run([.. words, "--no-such-option"]).Exit.Should().Be(2, command);
        }
    }

    [Fact]
    public void What_a_command_writes_is_the_same_bytes_whatever_the_locale_and_the_number_of_processors()
    {
        using var f = Row();
        var kept = f["adopted.toml"];
        byte[] Bytes(string locale, string processors)
        {
            var start = Program.Start(f.Path, "group", "--types", "2");
            (start.Environment["LC_ALL"], start.Environment["DOTNET_PROCESSOR_COUNT"], start.Environment["TZ"]) = (locale, processors,
                "Asia/Tokyo");
            f["adopted.toml"] = kept;
            Program.Run(start).Exit.Should().Be(0);
            return File.ReadAllBytes(Path.Combine(f.Path, "adopted.toml"));
        }

        var first = Bytes("C", "1");
        Bytes("de_DE.UTF-8", "2").Should().Equal(first);
        Bytes("tr_TR.UTF-8", "8").Should().Equal(first);
    }

    [Fact]
    public void A_building_is_sized_checked_drawn_and_reported_in_the_same_bytes_by_one_thread_and_by_many()
    {
        Dictionary<string, string> Bytes(string processors)
        {
            using var f = Folder.Building("workshop-frame");
            var told = new Dictionary<string, string>(StringComparer.Ordinal);
            foreach (var words in (string[][])[["size", "--all"], ["check", "--format", "json", "--room"],
                ["schedule", "--to", "out/s.xlsx"], ["draw", "--what", "utilisation", "--to", "out/u.svg"],
                ["report", "--depth", "checks", "--to", "out/r.html"], ["report", "--depth", "summary", "--to", "out/r.pdf"]])
            {
                var start = Program.Start(f.Path, words);
                start.Environment["DOTNET_PROCESSOR_COUNT"] = processors;
                var ran = Program.Run(start);
                told[string.Join(' ', words)] = ran.Out;
            }

            foreach (var file in Directory.GetFiles(f.Path, "*", SearchOption.AllDirectories))
            {
                told[Path.GetRelativePath(f.Path,
                    file)] = Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(File.ReadAllBytes(file)));
            }

            return told;
        }

        var one = Bytes("1");
        var many = Bytes("8");
        many.Keys.Should().BeEquivalentTo(one.Keys).And.Contain(["adopted.toml", "out/s.xlsx", "out/u.svg", "out/r.html", "out/r.pdf"]);
        foreach (var (name, bytes) in one)
        {
            many[name].Should().Be(bytes, name);
        }
    }
}
