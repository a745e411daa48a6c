using System.Diagnostics;

namespace Plinth.Cli.Tests;

/// <summary>The work of an engineer, through the built program.</summary>
public class WorkTests
{
    [Fact]
    public void The_demo_runs_the_whole_job_and_every_footing_passes()
    {
        var folder = Directory.CreateTempSubdirectory("plinth-demo-").FullName;
        var ran = Program.Run(folder, "demo", "archive");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Out.Should().Contain("$ plinth size --project archive").And.Contain("23 foundations: 23 pass.").And.Contain(
            "Footing schedule: Wherry Lane Archive");
        var again = Program.Run(folder, "demo", "archive");
        again.Exit.Should().Be(0);
        File.AppendAllText(Path.Combine(folder, "archive/plinth.toml"), "# mine\n");
        Program.Run(folder, "demo", "archive").Exit.Should().Be(2, "what is the engineer's is not overwritten");
        Directory.Delete(folder, true);
    }

    [Fact]
    public void The_demo_reactions_balance_its_loads()
    {
        // Loads by plan area 26.4 × 16.5 m: floors 5.6 + 5.6 + 5.0 kPa, columns 14·0.40² + 6·0.45² over 12 m; wind 220 and 352 kN at 6.9 m.
        var rows = File.ReadLines(Path.Combine(Program.Root, "demo/wherry-lane/reactions.csv")).Skip(1).Select(l => l.Split(',')).ToList();
        var at = File.ReadLines(Path.Combine(Program.Root, "demo/wherry-lane/supports.csv")).Skip(1)
            .Select(l => l.Split(','))
            .ToDictionary(c => c[0], c => (X: Number(c[1]), Y: Number(c[2])));
        var gallery = new HashSet<string> { "C21", "C22", "C23", "C24", "C25" };
        var hoist = new HashSet<string> { "C26", "C27" };
        var wing = new HashSet<string> { "C28", "C29", "C30", "C31" };
        double Sum(string name, Func<string[], double> of) => rows.Where(r => r[1] == name && !gallery.Contains(r[0]) && !hoist.Contains(r[0])
            && !wing.Contains(r[0])).Sum(of);
        double Beside(string name, Func<string[], double> of) => rows.Where(r => r[1] == name && gallery.Contains(r[0])).Sum(of);

        double Hoist(string name, Func<string[], double> of) => rows.Where(r => r[1] == name && hoist.Contains(r[0])).Sum(of);

        // The hoist, 4.0 × 3.0 m: two floors of 5.6, a roof of 5.0 kPa, two posts of 12.5 m; wind of 1.0 kPa on 3.9 and 6.5 m at 3.5 m.
        var heavy = (4.0 * 3.0 * 16.2) + (2 * 25 * 0.16 * 12.5);
        Hoist("DEAD", r => Number(r[4])).Should().BeApproximately(heavy, 0.02);
        Hoist("SDL", r => Number(r[4])).Should().BeApproximately(4.0 * 3.0 * 4.4, 0.02);
        Hoist("LIVE", r => Number(r[4])).Should().BeApproximately((4.0 * 3.0 * 10) + 90, 0.02);
        Hoist("WX", r => Number(r[6]) - (at[r[0]].X * Number(r[4]))).Should().BeApproximately(-11.7 * 3.5, 0.1);
        Hoist("WY", r => Number(r[5]) + (at[r[0]].Y * Number(r[4]))).Should().BeApproximately(4.0 * 6.5 * 3.5, 0.1);
        Hoist("EX", r => Number(r[6]) - (at[r[0]].X * Number(r[4]))).Should().BeApproximately(-0.035 * (heavy + 52.8) * 4.5, 0.2);

        // The stacks' wing, 4.0 × 14.8 m: roof and racks of 7.0 kPa, four columns of 4.5 m; wind of 12 kN at 3.0 m, of 1.0 kPa on 4.0 m.
        double Wing(string name, Func<string[], double> of) => rows.Where(r => r[1] == name && wing.Contains(r[0])).Sum(of);
        var stacks = (4.0 * 14.8 * 7.0) + (4 * 25 * 0.1225 * 4.5);
        Wing("DEAD", r => Number(r[4])).Should().BeApproximately(stacks, 0.03);
        Wing("SDL", r => Number(r[4])).Should().BeApproximately(4.0 * 14.8 * 1.6, 0.03);
        Wing("LIVE", r => Number(r[4])).Should().BeApproximately(4.0 * 14.8 * 7.5, 0.03);
        Wing("WX", r => Number(r[6]) - (at[r[0]].X * Number(r[4]))).Should().BeApproximately(-12.0 * 3.0, 0.2);
        Wing("WY", r => Number(r[5]) + (at[r[0]].Y * Number(r[4]))).Should().BeApproximately(14.8 * 4.0 * 2.0, 0.1);
        Wing("EX", r => Number(r[6]) - (at[r[0]].X * Number(r[4]))).Should().BeApproximately(-0.035 * (stacks + (4.0 * 14.8 * 1.6)) * 3.5, 0.3);

        // The gallery, 4.0 × 18.45 m: floor 5.6 and roof 5.0 kPa, a strongroom over 3.85 m of it, five columns of 6.5 m, a shaft of 12 m at
        // its end; wind at 3.5 m.
        var dead = (4.0 * 18.45 * 10.6) + (4.0 * 3.85 * 5.6) + (5 * 25 * 0.16 * 6.5) + (4 * 1.8 * 0.20 * 12 * 25);
        var finishes = (4.0 * 18.45 * 3.0) + (4.0 * 3.85 * 1.4);
        Beside("DEAD", r => Number(r[4])).Should().BeApproximately(dead, 0.05);
        Beside("SDL", r => Number(r[4])).Should().BeApproximately(finishes, 0.05);
        Beside("LIVE", r => Number(r[4])).Should().BeApproximately((4.0 * 18.45 * 5.0) + (4.0 * 3.85 * 7.5), 0.05);
        Beside("WX", r => Number(r[6]) - (at[r[0]].X * Number(r[4]))).Should().BeApproximately(-2 * 23.4 * 3.5, 0.5);
        Beside("WY", r => Number(r[5]) + (at[r[0]].Y * Number(r[4]))).Should().BeApproximately(18.45 * 6.5 * 3.5, 0.1);
        Beside("EX", r => Number(r[6]) - (at[r[0]].X * Number(r[4]))).Should().BeApproximately(-0.035 * (dead + finishes) * 4.5, 0.5);
        Sum("DEAD", r => Number(r[4])).Should().BeApproximately((26.4 * 16.5 * 16.2) + (25 * 12 * ((14 * 0.16) + (6 * 0.2025))), 0.2);
        Sum("SDL", r => Number(r[4])).Should().BeApproximately((26.4 * 16.5 * 4.4) + (2 * (26.4 + 16.5) * 5.4), 0.2);
        Sum("LIVE", r => Number(r[4])).Should().BeApproximately(26.4 * 16.5 * 10, 0.2);
        Sum("WX", r => Number(r[2])).Should().BeApproximately(-220, 0.05);
        Sum("WX", r => Number(r[6]) - (at[r[0]].X * Number(r[4]))).Should().BeApproximately(-220 * 6.9, 1);
        Sum("WY", r => Number(r[5]) + (at[r[0]].Y * Number(r[4]))).Should().BeApproximately(352 * 6.9, 1);
        foreach (var gravity in new[] { "DEAD", "SDL", "LIVE", "ROOF", "SNOW" })
        {
            Sum(gravity, r => Math.Round(Number(r[2]), 2)).Should().BeApproximately(0, 0.05);
            Sum(gravity, r => Math.Round(Number(r[3]), 2)).Should().BeApproximately(0, 0.05);
        }
    }

    private static double Number(string text) => double.Parse(text, System.Globalization.CultureInfo.InvariantCulture);

    [Fact]
    public void The_workshop_is_sized_whole()
    {
        using var f = Folder.Building("workshop-frame");
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Out.Should().Contain("24 foundations: 24 pass.");
        f.Run("check").Exit.Should().Be(0);
        ran.Out.Split('\n').Should().OnlyContain(l => l.Length <= 101);
    }

    [Fact]
    public void The_office_is_founded_whole_with_straps_at_its_edge()
    {
        using var f = Folder.Building("office-frame");
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Out.Should().Contain("19 foundations: 19 pass.").And.NotContain("OVERLAP");
        var all = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray().ToList();
        all.Count(x => x.GetProperty("kind").GetString() == "strap").Should().Be(4);
        all.SelectMany(x => x.GetProperty("places").EnumerateArray()).SelectMany(x => x.GetProperty("supports").EnumerateArray())
            .Select(x => x.GetString()).Should().OnlyHaveUniqueItems().And.HaveCount(27);
        all.Should().OnlyContain(x => x.GetProperty("passes").GetBoolean());
    }

    [Fact]
    public void Edge_bases_of_the_office_that_stand_alone_overlap_their_neighbours()
    {
        using var f = Folder.OfficeOfSingles();
        var ran = f.Run("size");
        ran.Exit.Should().Be(1);
        ran.Out.Should().Contain("27 foundations: 27 pass.", "a base exists under every column, though not one that can be built");
        foreach (var c in Folder.OfficeEdge)
        {
            ran.Out.Should().MatchRegex($@"\(under {c}\)( and F\d+ \(under C\d+\))? OVERLAP");
        }

        var json = f.Run("check", "--format", "json").Json;
        json.GetProperty("passes").GetBoolean().Should().BeFalse();
        foreach (var foundation in json.GetProperty("foundations").EnumerateArray())
        {
            foundation.GetProperty("passes").GetBoolean().Should().BeTrue();
            foundation.GetProperty("governing").GetString().Should().NotBeNullOrEmpty();
            foundation.GetProperty("not_checked").EnumerateArray().Select(e => e.GetString()).Should().Contain("settlement");
        }
    }

    [Theory]
    [InlineData("office-frame", "bearing = \"250 kPa\"", "bearing = \"125 kPa\"")]
    [InlineData("workshop-frame", "bearing = \"3 ksf\"", "bearing = \"0.2 ksf\"")]
    public void With_less_bearing_and_sizes_kept_the_check_fails_first_to_see(string building, string old, string with)
    {
        using var f = Folder.Building(building);
        f.Run("size");
        f.Replace("plinth.toml", old, with);
        var ran = f.Run("check");
        ran.Exit.Should().Be(1);
        var rows = ran.Out.Split('\n').Skip(2).TakeWhile(l => l.Length > 0).Where(l => l[0] != ' ').ToList();
        var fails = rows.Count(r => r.Contains('✗'));
        fails.Should().BeGreaterThan(2);
        rows.Take(fails).Should().OnlyContain(r => r.Contains('✗'), "fails come first");
        rows.Should().Contain(r => r.Contains("bearing") && r.Contains("FAIL"));
        var quiet = f.Run("check", "--quiet").Out;
        quiet.Should().NotContain("✓ ok");
    }

    [Theory]
    [InlineData("office-frame")]
    [InlineData("workshop-frame")]
    public void Every_table_keeps_all_its_columns_within_100(string building)
    {
        using var f = Folder.Building(building);
        var size = f.Run("size").Out;
        var schedule = f.Run("schedule").Out;
        var check = f.Run("check").Out;
        foreach (var line in (size + schedule + check + f.Run("show", "F2").Out).Split('\n'))
        {
            line.TrimEnd().Length.Should().BeLessThanOrEqualTo(101, line);
        }

        schedule.Split('\n')
            .First(l => l.StartsWith("mark", StringComparison.Ordinal))
            .TrimEnd()
            .Should().EndWith(building == "workshop-frame" ? "lb" : "kg", "steel in the units of the project is the last column");
        size.Split('\n')[0].TrimEnd().Should().EndWith("sizing");
        check.Split('\n')[0].TrimEnd().Should().EndWith("combination");
    }

    [Fact]
    public void Same_input_same_bytes()
    {
        using var f = Folder.Building("workshop-frame");
        f.Run("size");
        var first = f["adopted.toml"];
        var check = f.Run("check", "--format", "json").Out;
        File.Delete(Path.Combine(f.Path, "adopted.toml"));
        f.Run("size");
        f["adopted.toml"].Should().Be(first);
        f.Run("check", "--format", "json").Out.Should().Be(check);
        f.Run("size", "--all").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(first, "sizing again finds the same");
    }

    [Fact]
    public void Units_of_display_move_no_result()
    {
        using var f = new Folder();
        f.Run("size");
        var metric = f.Run("check", "--format", "json").Out;
        f.Replace("plinth.toml", "code = ", "units = \"us\"\ncode = ");
        f.Run("check", "--format", "json").Out.Should().Be(metric);
        f.Run("check").Out.Should().Contain("6'-4 3/4\" × 6'-4 3/4\"").And.NotContain("plan ft");
    }

    [Fact]
    public void A_hand_edit_is_checked_as_edited_named_by_size_and_kept_byte_for_byte()
    {
        using var f = new Folder();
        f.Run("size");
        var text = f["adopted.toml"];
        var line = text.Split('\n').First(l => l.StartsWith("thickness", StringComparison.Ordinal));
        var at = text.IndexOf(line, StringComparison.Ordinal);
        var edited = text[..at] + "# agreed on site\nthickness = \"700 mm\"  # thicker" + text[(at + line.Length)..] + "\n# a last word\n";
        f["adopted.toml"] = edited;
        f.Run("check", "F1", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("thickness_m").GetDouble().Should().Be(0.7);
        f.Replace("plinth.toml", "bearing = \"200 kPa\"", "bearing = \"170 kPa\"");
        var ran = f.Run("size", "--all");
        ran.Error.Should().Contain("Held, as written by hand in adopted.toml: F1");
        var after = f["adopted.toml"];
        var own = edited[..edited.IndexOf("[F2]", StringComparison.Ordinal)];
        after.Should().StartWith(own, "F1 survives byte for byte");
        after.Should().EndWith("\n# a last word\n");
        after.Should().NotBe(edited, "F2 and F3 were sized anew");
        f.Run("size", "F1", "--over").Exit.Should().Be(0);
        f["adopted.toml"].Should().NotContain("700 mm").And.Contain("# agreed on site");
    }

    [Fact]
    public void Inserting_a_support_renames_no_mark()
    {
        using var f = new Folder();
        f.Run("size");
        f.Replace("supports.csv", "C1,0,0", "C0,-6,0,400,400\nC1,0,0");
        f["reactions.csv"] += "C0,DEAD,0,0,300,0,0\nC0,LIVE,0,0,100,0,0\nC0,WX,0,0,10,0,0\n";
        f.Run("size").Exit.Should().Be(0);
        var marks = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .ToDictionary(x => x.GetProperty("places")[0].GetProperty("supports")[0].GetString()!, x => x.GetProperty("mark").GetString());
        marks.Should().Equal(new Dictionary<string, string?> { ["C1"] = "F1", ["C2"] = "F2", ["C3"] = "F3", ["C0"] = "F4" });
    }

    [Fact]
    public void Size_leaves_what_passes_and_finds_what_fails()
    {
        using var f = new Folder();
        f.Run("size");
        f.Run("size").Error.Should().Contain("Nothing to write.");
        f.Replace("reactions.csv", "C2,DEAD,0,0,640", "C2,DEAD,0,0,1200");
        f.Run("check").Exit.Should().Be(1);
        var dry = f.Run("size", "--dry-run");
        dry.Out.Should().Contain("Old and new");
        dry.Error.Should().Contain("Nothing written: 1 would be.");
        f.Run("check").Exit.Should().Be(1, "a dry run writes nothing");
        f.Run("size").Error.Should().Contain("1 written");
        f.Run("check").Exit.Should().Be(0);
    }

    [Fact]
    public void Trying_a_value_writes_nothing_and_set_writes_it()
    {
        using var f = new Folder();
        f.Run("size");
        var before = f["adopted.toml"];
        var tried = f.Run("check", "F2", "--set", "thickness=900 mm", "--format", "json");
        tried.Json.GetProperty("foundations")[0].GetProperty("thickness_m").GetDouble().Should().Be(0.9);
        f["adopted.toml"].Should().Be(before);
        var set = f.Run("set", "F2", "thickness=900 mm", "bottom-x=20 T16", "bottom-y=T16 @ 150 mm");
        set.Error.Should().Contain("F2 is held from now on");
        f["adopted.toml"].Should().Contain("thickness = \"900 mm\"").And.Contain("bottom-y = \"T16 @ 150 mm\"");
        f.Run("set", "F2", "thickness=350 mm").Exit.Should().Be(1, "it is written and fails");
    }

    [Fact]
    public void A_killed_size_leaves_the_old_file_or_the_new()
    {
        using var f = new Folder();
        var supports = new System.Text.StringBuilder("support,x (m),y (m),cx (mm),cy (mm)\n");
        var reactions = new System.Text.StringBuilder("support,case,Fz (kN)\n");
        for (var i = 1; i <= 300; i++)
        {
            supports.Append(System.Globalization.CultureInfo.InvariantCulture, $"C{i},{i * 6},0,400,400\n");
            reactions.Append(System.Globalization.CultureInfo.InvariantCulture, $"C{i},DEAD,{300 + i}\nC{i},LIVE,{100 + i}\nC{i},WX,10\n");
        }

        f["supports.csv"] = supports.ToString();
        f["reactions.csv"] = reactions.ToString();
        f.Run("size", "--quiet").Exit.Should().Be(0);
        var old = f["adopted.toml"];
        f.Replace("plinth.toml", "200 kPa", "150 kPa");
        var watch = Stopwatch.StartNew();
        f.Run("size", "--all", "--quiet");
        var whole = watch.Elapsed;
        var fresh = f["adopted.toml"];
        for (var i = 1; i <= 8; i++)
        {
            f["adopted.toml"] = old;
            using var process = Process.Start(Program.Start(f.Path, "size", "--all", "--quiet"))!;
            Thread.Sleep(whole * (i / 8.0));
            process.Kill();
            process.WaitForExit();
            f["adopted.toml"].Should().BeOneOf(old, fresh);
        }
    }

    [Fact]
    public void Results_as_json_have_the_shape_that_scripts_read()
    {
        using var f = new Folder();
        f.Run("size");
        var json = f.Run("check", "--format", "json").Json;
        json.GetProperty("schema").GetString().Should().Be("keen-plinth/results/1");
        json.GetProperty("standard").GetString().Should().Be("asce7-22");
        var first = json.GetProperty("foundations")[0];
        first.GetProperty("mark").GetString().Should().Be("F1");
        first.GetProperty("founding_depth_m").GetDouble().Should().Be(1.5);
        first.GetProperty("bars").GetProperty("bottom-x").GetString().Should().MatchRegex(@"^\d+ T\d+$");
        var checks = first.GetProperty("checks").EnumerateArray().ToList();
        var bearing = checks.Single(c => c.GetProperty("id").GetString() == "bearing");
        bearing.GetProperty("unit").GetString().Should().Be("kPa");
        bearing.GetProperty("utilisation").GetDouble()
            .Should().BeApproximately(bearing.GetProperty("demand").GetDouble() / bearing.GetProperty("capacity").GetDouble(), 1e-12);
        var sliding = checks.Single(c => c.GetProperty("id").GetString() == "sliding");
        sliding.GetProperty("factor").GetDouble()
            .Should().BeApproximately(sliding.GetProperty("capacity").GetDouble() / sliding.GetProperty("demand").GetDouble(), 1e-9);
        checks.Select(c => c.GetProperty("id").GetString())
            .Should().ContainInOrder("equilibrium", "bearing", "contact", "sliding", "overturning-x", "one-way-shear-x", "two-way-shear",
                "flexure-bottom-x", "minimum-steel-x", "bar-spacing-x", "least-depth");
        first.GetProperty("utilisation").GetDouble().Should().Be(checks.Max(c => c.GetProperty("utilisation").GetDouble()));
    }

    [Fact]
    public void Combinations_of_a_support_are_the_factored_reactions_turned_round()
    {
        using var f = new Folder();
        var json = f.Run("combos", "C1", "--format", "json").Json;
        var u4 = json.GetProperty("combinations").EnumerateArray().Single(c => c.GetProperty("name").GetString() == "U4:+WX");
        var action = u4.GetProperty("action");
        action.GetProperty("N_kN").GetDouble().Should().BeApproximately((1.2 * 420) + 180 - 20, 1e-9);
        action.GetProperty("Fx_kN").GetDouble().Should().BeApproximately(-((1.2 * 2) + 1 - 15), 1e-9);
        action.GetProperty("My_kNm").GetDouble().Should().BeApproximately(-((1.2 * 5) + 3 - 30), 1e-9);
        u4.GetProperty("clause").GetString().Should().Be("ASCE 7-22 2.3.1");
        f.Run("combos", "--all").Out.Should().Contain("left out because").And.Contain("no case of E, which it is about");
    }

    [Fact]
    public void Sense_action_presses_down_with_negative_Fz()
    {
        using var f = new Folder();
        var before = f.Run("combos", "C1", "--format", "json").Out;
        f.Replace("plinth.toml", "standard = \"asce7-22\"", "standard = \"asce7-22\"\nsense = \"action\"");
        f["reactions.csv"] = string.Join('\n',
            f["reactions.csv"].Split('\n')
                .Select((l, i) => i == 0 || l.Length == 0
                    ? l
                    : string.Join(',', l.Split(',').Select((c, k) => k < 2 ? c : Invariant(-Number(c))))));
        f.Run("combos", "C1", "--format", "json").Out.Should().Be(before);
    }

    private static string Invariant(double v) => (v + 0.0).ToString(System.Globalization.CultureInfo.InvariantCulture);

    [Fact]
    public void Show_tells_a_check_step_by_step()
    {
        using var f = new Folder();
        f.Run("size");
        var ran = f.Run("show", "F1", "two-way-shear");
        ran.Exit.Should().Be(0);
        ran.Out.Should().Contain("= N − Q").And.Contain("ACI 318M-19 22.6.5.2").And.Contain("vc(b)").And.MatchRegex(
            "Utilisation 0\\.\\d\\d: ✓ ok");
        f.Run("show", "F1", "bearing", "--combination", "S2").Out.Should().Contain("N[LIVE]");
        f.Run("show", "F1", "--why").Out.Should().Contain("what stops the next smaller step");
        var steps = f.Run("show", "F1", "bearing", "--format", "json").Json;
        steps.GetProperty("steps").GetArrayLength().Should().BeGreaterThan(10);
        f.Run("show", "F1", "uplift", "--combination", "S7:+WX").Exit.Should().Be(0);
    }

    [Fact]
    public void Below_lists_what_has_room()
    {
        using var f = new Folder();
        f.Run("size");
        f.Run("set", "F1", "length=4 m", "width=4 m", "thickness=800 mm", "bottom-x=16 T25", "bottom-y=16 T25");
        var marks = f.Run("check", "--below", "0.9", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .Select(x => x.GetProperty("mark").GetString());
        marks.Should().Equal("F1");
    }

    [Fact]
    public void The_schedule_lists_what_is_adopted_and_says_what_is_not()
    {
        using var f = new Folder();
        f.Run("size", "F1", "F2");
        var ran = f.Run("schedule", "--format", "csv");
        ran.Exit.Should().Be(1);
        ran.Error.Should().Contain("Not sized yet, so not in the schedule: F3");
        ran.Out.Split('\n')[0].Should().StartWith("mark,supports,number off,length (m),width (m),thickness (mm),underside (m)");
        ran.Out.Split('\n')[1].Should().StartWith("F1,C1,1,");
        f.Run("schedule", "--format", "json").Json.GetProperty("total").GetProperty("concrete_m3").GetDouble().Should().BeGreaterThan(1);
    }

    [Theory]
    [InlineData("metric")]
    [InlineData("us")]
    public void New_starts_a_project_that_sizes_once_it_is_filled(string units)
    {
        var folder = Directory.CreateTempSubdirectory("plinth-new-").FullName;
        Program.Run(folder, "new", "p", "--units", units).Exit.Should().Be(0);
        var path = Path.Combine(folder, "p");
        var empty = Program.Run(path, "size");
        empty.Exit.Should().Be(2);
        empty.Error.Should().Contain("supports.csv: error: names no support");
        File.AppendAllText(Path.Combine(path, "supports.csv"), units == "us" ? "C1,0,0,,rect,16,16,A/1\n" : "C1,0,0,,rect,400,400,A/1\n");
        File.AppendAllText(Path.Combine(path, "reactions.csv"), "C1,DEAD,0,0,150,0,0,0\nC1,LIVE,0,0,60,0,0,0\n");
        var ran = Program.Run(path, "size");
        ran.Exit.Should().Be(0, ran.Error);
        Program.Run(folder, "new", "p").Exit.Should().Be(2, "nothing is overwritten");
        Directory.Delete(folder, true);
    }

    [Fact]
    public void Help_has_examples_for_every_command()
    {
        var help = Program.Run("/", "--help").Out;
        foreach (var command in new[] { "new", "demo", "combos", "size", "check", "show", "set", "schedule" })
        {
            help.Should().Contain("  " + command);
            Program.Run("/", command, "--help").Out.Should().Contain("Examples:");
        }
    }
}
