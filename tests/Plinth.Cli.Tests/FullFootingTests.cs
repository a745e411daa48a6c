using System.Diagnostics;
using System.Globalization;
using System.Text.RegularExpressions;

namespace Plinth.Cli.Tests;

/// <summary>Pedestals, site, leaves, office files, options, status, settings and watching, through the built program.</summary>
public class FullFootingTests
{
    private static System.Text.Json.JsonElement Checked(Folder f, string mark = "F1") =>
        f.Run("check", mark, "--format", "json").Json.GetProperty("foundations")[0];

    [Fact]
    public void A_pedestal_is_sized_written_read_and_kept()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[column]\nstrength = \"35 MPa\"\n[pedestal]\nunder = \"all\"\nheight = \"600 mm\"\n";
        f.Run("size").Exit.Should().Be(0);
        var text = f["adopted.toml"];
        text.Should().Contain("pedestal.size = [").And.Contain("pedestal.ties = \"T10 @").And.Contain("dowels = \"");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(text, "what was found is recognised as found");
        f.Run("show", "F1").Out.Should().Contain("pedestal: ").And.Contain("dowels: ");
        Checked(f).GetProperty("pedestal").GetProperty("size_x_m").GetDouble().Should().BeGreaterThan(0.4);
        f.Run("set", "F1", "pedestal.bars=12 T20", "pedestal.size=700 mm, 650 mm").Exit.Should().BeOneOf(0, 1);
        f["adopted.toml"].Should().Contain("pedestal.bars = \"12 T20\"").And.Contain("pedestal.size = [\"700 mm\", \"650 mm\"]");
        f.Run("size").Error.Should().Contain("Held, as written by hand in adopted.toml: F1");
        f.Run("set", "F1", "pedestal.bars=7 T20").Error.Should().Contain("an even number from 4");
    }

    [Fact]
    public void A_pedestal_under_its_own_header_is_edited_there()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[pedestal]\nunder = \"all\"\nheight = \"600 mm\"\n";
        f.Run("size").Exit.Should().Be(0);
        var lines = f["adopted.toml"].Split('\n').ToList();
        var own = lines.Where(l => l.StartsWith("pedestal.", StringComparison.Ordinal)).Take(3).ToList();
        f["adopted.toml"] = string.Join('\n',
            lines.TakeWhile(l => l != "[F2]")
                .Where(l => !l.StartsWith("pedestal.", StringComparison.Ordinal) && !l.StartsWith("found", StringComparison.Ordinal)))
            + "\n[F1.pedestal]   # by hand\n" + string.Join('\n', own.Select(l => l["pedestal.".Length..])) + "\n";
        Checked(f).GetProperty("passes").GetBoolean().Should().BeTrue();
        f.Run("set", "F1", "pedestal.bars=12 T20").Exit.Should().BeOneOf(0, 1);
        f["adopted.toml"].Should().Contain("[F1.pedestal]   # by hand").And.Contain("\nbars = \"12 T20\"").And.NotContain("pedestal.bars");
    }

    [Fact]
    public void Hooked_and_banded_layers_are_tables_in_the_file_and_words_in_a_call()
    {
        using var f = new Folder();
        f.Run("size").Exit.Should().Be(0);
        f.Run("set", "F1", "bottom-x=14 T16 hooked");
        f["adopted.toml"].Should().Contain("bottom-x = { bars = \"14 T16\", ends = \"hooked\" }");
        Checked(f).GetProperty("bars").GetProperty("bottom-x").GetString().Should().Be("14 T16 hooked");

        // Of a square base the band is as wide as itself.
        f.Run("set", "F1", "bottom-y=9 + 4 T16 banded").Error.Should().Contain("nothing beside the bands for 4 bars");
        f.Run("set", "F1", "length=2600 mm", "bottom-y=9 + 4 T16 banded");
        f["adopted.toml"].Should().Contain("bottom-y = { band = \"9 T16\", rest = \"4 T16\" }");
        f.Run("set", "F1", "bottom-y=9 + 3 T16 banded").Error.Should()
            .Contain("9 bars in bands and 3 beside them do not share alike over 1 and 2 strips")
            .And.Contain("rest = \"4 T16\"");
        f["adopted.toml"] = f["adopted.toml"].Replace("rest = \"4 T16\"", "rest = \"4 T20\"", StringComparison.Ordinal);
        f.Run("check").Error.Should().MatchRegex(
            @"adopted\.toml:\d+:\d+: error: bottom-y as a table has bars and ends, or band and rest of one size");
    }

    [Theory]
    [InlineData("true", "always")]
    [InlineData("false", "never")]
    public void Bars_alike_both_ways_are_also_asked_for_by_true_and_false(string flag, string word)
    {
        using var f = new Folder();
        string Adopted(string value)
        {
            f["plinth.toml"] = Folder.Toml.Replace("[steel]\n", $"[steel]\nboth-ways-alike = {value}\n", StringComparison.Ordinal);
            f.Run("size", "--all").Exit.Should().Be(0);
            return f["adopted.toml"];
        }

        Adopted(flag).Should().Be(Adopted($"\"{word}\""));
    }

    [Fact]
    public void A_layer_that_lies_all_in_its_band_is_read_again_as_it_was_written()
    {
        using var f = new Folder();
        f["plinth.toml"] = Folder.Toml.Replace("[steel]\n", "[steel]\nshort-way = \"band\"\n", StringComparison.Ordinal);
        f.Run("size").Exit.Should().Be(0);
        f.Run("set", "F1", "length=1550 mm", "width=1300 mm", "bottom-y=9 T16 banded").Error.Should().NotContain("error");
        f["adopted.toml"].Should().Contain("bottom-y = { band = \"9 T16\", rest = \"none\" }");
        Checked(f).GetProperty("bars").GetProperty("bottom-y").GetString().Should().Be("9 T16 banded");
    }

    [Theory]
    [InlineData("50 mm", 5)]
    [InlineData("25 mm", 2.5)]
    public void A_base_moves_by_a_tenth_of_the_plan_step_and_show_says_how_far(string plan, double step)
    {
        using var f = new Folder();
        f["plinth.toml"] += $"\n[sizing]\nround = {{ plan = \"{plan}\" }}\n[site]\nboundary = [[\"-0.85 m\", \"-50 m\"], [\"60 m\", \"-50 m\"], [\"60 m\", \"50 m\"], [\"-0.85 m\", \"50 m\"]]\n";
        f.Run("size", "F1").Exit.Should().Be(0);
        double Adopted(string key) =>
            double.Parse(Regex.Match(f["adopted.toml"], key + " = \"([0-9.]+) mm").Groups[1].Value, CultureInfo.InvariantCulture);
        var (shift, most) = (Adopted("shift-x"), (Adopted("length") / 2) - 850);
        shift.Should().BeInRange(most, most + step);
        (Math.Abs((shift / step) - Math.Round(shift / step)) * step).Should().BeLessThan(1e-6);
        var told = Regex.Match(f.Run("show", "F1").Out, "column [-−]([0-9.]+) mm along x, 0 mm along y from the centre");
        double.Parse(told.Groups[1].Value, CultureInfo.InvariantCulture).Should().BeApproximately(shift, 0.5001);
    }

    [Fact]
    public void A_boundary_moves_a_base_and_a_crossing_one_fails()
    {
        using var f = new Folder();
        f.Run("size");
        var x = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("places")[0].GetProperty("x_m")
            .GetDouble();
        f["plinth.toml"] += string.Create(System.Globalization.CultureInfo.InvariantCulture,
            $"\n[site]\n"
                + $"boundary = [[\"{x - 0.95} m\", \"-50 m\"], [\"60 m\", \"-50 m\"], [\"60 m\", \"50 m\"], [\"{x - 0.95} m\", \"50 m\"]]\n"
                + $"[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nsizing.shape = \"rectangular\"\n"
                + $"sizing.aspect = 3.0\nstability.contact = 0.5\nstability.contact-transient = 0.3\n");
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Out + ran.Error);
        var json = Checked(f);
        var at = json.GetProperty("places")[0].GetProperty("x_m").GetDouble();
        (at - (json.GetProperty("length_m").GetDouble() / 2)).Should().BeGreaterThanOrEqualTo(x - 0.95 - 1e-6);
        f.Run("check", "F1", "--set", "shift-x=-500 mm").Out.Should().Contain("boundary");
        f["plinth.toml"] = f["plinth.toml"].Replace("\"60 m\", \"50 m\"]", "\"60 m\"]", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("boundary is a list of at least 3 points");
    }

    [Fact]
    public void Waived_and_accepted_checks_are_told_in_every_output()
    {
        using var f = new Folder();
        f.Run("size");
        f.Run("set", "F1", "thickness=300 mm");
        f.Run("check", "F1").Exit.Should().Be(1);
        var failing = Checked(f).GetProperty("checks").EnumerateArray()
            .Where(c => !c.GetProperty("passes").GetBoolean())
            .Select(c => (Id: c.GetProperty("id").GetString()!, Used: c.GetProperty("utilisation").GetDouble()))
            .ToList();
        var accepted = failing[0];
        f["plinth.toml"] += string.Create(System.Globalization.CultureInfo.InvariantCulture,
            $"\n[[accept]]\nmark = \"F1\"\ncheck = \"{accepted.Id}\"\nupto = {Math.Round(accepted.Used + 0.01, 2)}\nwhy = \"letter 14\"\n")
            + string.Concat(failing.Skip(1).Select(c => $"[[waive]]\ncheck = \"{c.Id}\"\nmarks = [\"F1\"]\nwhy = \"note <3>\"\n"));
        var ran = f.Run("check", "F1");
        ran.Exit.Should().Be(0, ran.Out + ran.Error);
        ran.Out.Should().Contain("! Accepted up to").And.Contain("letter 14");
        f.Run("show", "F1").Out.Should().Contain("✓ accepted").And.Contain("letter 14");
        f.Run("show", "F1", accepted.Id).Out.Should().Contain("✓ accepted").And.Contain("accepted: letter 14");
        f.Run("check", "F1", "--format", "csv").Out.Should().Contain("accepted,letter 14");
        Checked(f).GetProperty("checks").EnumerateArray()
            .Single(c => c.GetProperty("id").GetString() == accepted.Id)
            .GetProperty("accepted")
            .GetString()
            .Should().Be("letter 14");
        f.Run("status").Out.Should().Contain("accepted");
        f["plinth.toml"] = f["plinth.toml"].Replace("why = \"letter 14\"", "why = \"\"", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("why is empty; say the reason");
    }

    [Theory]
    [InlineData("[[waive]]\ncheck = \"slidng\"\nwhy = \"x\"\n", "there is no check \"slidng\"; did you mean \"sliding\"?")]
    [InlineData("[[waive]]\ncheck = \"equilibrium\"\nwhy = \"x\"\n", "equilibrium can be neither waived nor accepted")]
    [InlineData("[[waive]]\ncheck = \"sliding\"\nmarks = [\"G9\"]\nwhy = \"x\"\n", "no foundation has the mark \"G9\"")]
    [InlineData("[[accept]]\nmark = \"F1\"\ncheck = \"sliding\"\nupto = 0.9\nwhy = \"x\"\n", "upto is the utilisation up to which the "
        + "check is accepted, above 1")]
    [InlineData("[[accept]]\nmark = \"F1\"\ncheck = \"sliding\"\nwhy = \"x\"\n", "[[accept]] needs upto; write for example upto = 1.04")]
    [InlineData("[ground.strength]\nfriction-angle = \"30 deg\"\nsafety = 3.0\n", "[ground.strength] needs theory; write for example "
        + "theory = \"vesic\"")]
    [InlineData("[ground.strength]\ntheory = \"vesic\"\nsafety = 3.0\n", "needs friction-angle (drained), undrained, or both")]
    [InlineData("[ground.strength]\ntheory = \"vesci\"\nfriction-angle = \"30 deg\"\nsafety = 3.0\n", "theory = \"vesci\" is not known; "
        + "did you mean \"vesic\"?")]
    [InlineData("[[ground.layer]]\nmodulus = \"20 MPa\"\n[[ground.layer]]\nmodulus = \"30 MPa\"\n", "[[layer]] needs thickness")]
    [InlineData("[pedestal]\nunder = \"all\"\nheight = \"600 mm\"\ntop = \"0 m\"\n", "top and height are both given; keep one")]
    [InlineData("[pedestal]\nunder = \"all\"\nheight = \"600 mm\"\nbars = \"7 T16\"\n", "bars stand round the section, an even "
        + "number from 4")]
    [InlineData("[pedestal]\nunder = \"all\"\nheight = \"600 mm\"\nties = \"8 T10\"\n", "ties are a size and a spacing")]
    [InlineData("[site]\nboundary = [[\"0 m\", \"0 m\"], [\"1 m\", \"0 m\"], [\"2 m\", \"0 m\"]]\n", "lie on one line; they must go "
        + "round an area")]
    [InlineData("[grounds.fill]\nbearing = \"90 kPa\"\n"
        + "area = [[\"-99 m\", \"-99 m\"], [\"99 m\", \"-99 m\"], [\"99 m\", \"99 m\"], [\"-99 m\", \"99 m\"]]\n"
        + "[grounds.peat]\nbearing = \"90 kPa\"\n"
        + "area = [[\"-99 m\", \"-99 m\"], [\"99 m\", \"-99 m\"], [\"99 m\", \"99 m\"], [\"-99 m\", \"99 m\"]]\n", "stands in the areas of [grounds.fill] and [grounds.peat]; name its ground in the column ground")]
    public void Wrong_tables_are_refused_with_place_and_mend(string table, string message)
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n" + table;
        var ran = f.Run("check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(message).And.MatchRegex(@"\.(toml|csv):\d+:\d+: error: ");
    }

    [Theory]
    [InlineData("passive-angle = \"30 deg\"", "passive-angle needs passive-share")]
    [InlineData("passive-share = 0.5", "give passive-angle, or passive-coefficient alone")]
    [InlineData("water-depth-low = \"2 m\"", "water-depth-low is given without water-depth")]
    [InlineData("max-settlement = \"25 mm\"", "max-settlement needs subgrade-modulus")]
    [InlineData("max-distortion = 0.002\nsubgrade-modulus = \"20 MN/m3\"", "max-distortion compares settlements; give max-settlement too")]
    [InlineData("bearing-by-side = [[\"2 m\", \"150 kPa\"], [\"1 m\", \"180 kPa\"]]", "the sides must rise from row to row")]
    [InlineData("uplift-spread = \"75 deg\"", "uplift-spread is an angle from the vertical, at most 60 deg")]
    public void Wrong_ground_is_refused(string line, string message)
    {
        using var f = new Folder();
        f["plinth.toml"] = f["plinth.toml"].Replace("[ground]\n", "[ground]\n" + line + "\n", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain(message);
    }

    [Fact]
    public void Grounds_by_area_serve_the_supports_that_stand_there()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[grounds.fill]\nbearing = \"90 kPa\"\n"
            + "area = [[\"-0.5 m\", \"-0.5 m\"], [\"0.5 m\", \"-0.5 m\"], [\"0.5 m\", \"0.5 m\"], [\"-0.5 m\", \"0.5 m\"]]\n";
        f.Run("size");
        f.Run("show", "F1").Out.Should().Contain("below the ground fill");
        f.Run("show", "F2").Out.Should().NotContain("below the ground fill");
    }

    [Fact]
    public void An_office_file_is_taken_where_the_project_is_silent()
    {
        using var f = new Folder();
        f["office.toml"] = "[concrete]\ncover-bottom = \"100 mm\"\n[steel]\nbars = [\"T20\"]\n[stability]\nsliding = 1.6\n";
        f["plinth.toml"] = "extends = \"office.toml\"\n" + f["plinth.toml"] + "\n[stability]\nsliding = 1.4\n";
        f.Run("size").Exit.Should().Be(0);
        var settings = f.Run("show", "F1", "--settings").Out;
        settings.Should().MatchRegex(@"cover-bottom +100 mm +office\.toml:2:16").And.MatchRegex(
            @"sliding +1\.4 +plinth\.toml:\d+:11").And.MatchRegex(@"bars +\[""T20""\] +office\.toml:4:8");
        settings.Should().MatchRegex(@"cover-top +50 mm +default");
        f.Run("show", "F1", "--settings", "--format", "json").Json.GetProperty("settings").EnumerateArray()
            .Single(s => s.GetProperty("key").GetString() == "cover-bottom")
            .GetProperty("value")
            .GetDouble()
            .Should().Be(0.1);
        f["plinth.toml"] = f["plinth.toml"].Replace("office.toml", "offise.toml", StringComparison.Ordinal);
        f.Run("check").Error.Should().MatchRegex(@"plinth\.toml:1:11: error: extends ""offise\.toml"": there is no such file");
        f["offise.toml"] = "extends = \"offise.toml\"\n";
        f.Run("check").Error.Should().Contain("perhaps in a circle");
    }

    [Fact]
    public void Options_are_passing_designs_and_one_is_taken()
    {
        using var f = new Folder();
        f.Run("size");
        var options = f.Run("options", "F1", "--format", "json").Json.GetProperty("options").EnumerateArray().ToList();
        options.Should().NotBeEmpty();
        options.SelectMany(o => o.GetProperty("best_in").EnumerateArray().Select(b => b.GetString()))
            .Should().BeEquivalentTo("least plan", "least thickness", "least steel", "least concrete", "cheapest");
        foreach (var o in options)
        {
            o.GetProperty("utilisation").GetDouble().Should().BeLessThanOrEqualTo(1 + 1e-9);
        }

        var last = options[^1];
        f.Run("options", "F1", "--take",
            last.GetProperty("option").GetInt32().ToString(System.Globalization.CultureInfo.InvariantCulture)).Exit.Should().Be(0);
        Checked(f).GetProperty("thickness_m").GetDouble().Should().Be(last.GetProperty("thickness_m").GetDouble());
        f.Run("size", "--all").Error.Should().Contain("Held, as written by hand in adopted.toml: F1");
        f.Run("options", "F1", "--take", "99").Error.Should().Contain("there is no option 99 of F1; there are 1 to");
    }

    [Fact]
    public void Status_says_what_fails_is_held_and_stale()
    {
        using var f = new Folder();
        f.Run("status").Exit.Should().Be(1, "nothing is sized yet");
        f.Run("size");
        f.Run("status").Exit.Should().Be(0);
        f.Run("set", "F1", "length=4 m", "width=4 m");
        f["plinth.toml"] = f["plinth.toml"].Replace("bearing = \"200 kPa\"", "bearing = \"400 kPa\"", StringComparison.Ordinal);
        var status = f.Run("status", "--format", "json").Json;
        status.GetProperty("by_hand").EnumerateArray().Select(m => m.GetString()).Should().Equal("F1");
        status.GetProperty("stale").EnumerateArray().Select(m => m.GetString()).Should().NotBeEmpty().And.NotContain("F1");
        f.Run("status").Out.Should().Contain("sizing would now give another design");
    }

    [Fact]
    public void Room_stands_beside_the_utilisation()
    {
        using var f = new Folder();
        f.Run("size");
        f.Run("check").Out.Should().MatchRegex(@"util\. +room").And.MatchRegex(@"\d %");
        f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].TryGetProperty("room", out _).Should().BeFalse();
        f.Run("check", "--room", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("room").GetDouble()
            .Should().BeInRange(0, 0.5);
    }

    [Fact]
    public void Watching_checks_again_on_every_save_and_survives_half_saved_files()
    {
        using var f = new Folder();
        f.Run("size");
        using var p = Process.Start(Program.Interruptible(f.Path, "check", "--watch", "--no-color"))!;
        var lines = new System.Collections.Concurrent.ConcurrentQueue<string>();
        p.OutputDataReceived += (_, e) => lines.Enqueue(e.Data ?? "");
        p.ErrorDataReceived += (_, e) => lines.Enqueue(e.Data ?? "");
        p.BeginOutputReadLine();
        p.BeginErrorReadLine();
        void Await(Func<string, bool> line)
        {
            var clock = Stopwatch.StartNew();
            while (!lines.Any(line))
            {
                clock.Elapsed.Should().BeLessThan(TimeSpan.FromSeconds(120), string.Join('\n', lines));
                Thread.Sleep(5);
            }
        }

        Await(l => l.StartsWith("Watching", StringComparison.Ordinal));
        var whole = f["adopted.toml"];
        lines.Clear();
        f["adopted.toml"] = whole[..(whole.Length / 2)] + "\nlength = \"";
        Await(l => l.Contains("adopted.toml:", StringComparison.Ordinal));
        lines.Clear();
        f["adopted.toml"] = System.Text.RegularExpressions.Regex.Replace(whole, @"length = ""[^""]+""", "length = \"1000 mm\"");
        Await(l => l.Contains("FAIL", StringComparison.Ordinal));
        lines.Clear();
        f["adopted.toml"] = whole;
        Await(l => l.Contains("3 foundations: 3 pass", StringComparison.Ordinal));
        using (var interrupt = Process.Start("kill", $"-INT {p.Id}"))
        {
            interrupt.WaitForExit();
        }

        p.WaitForExit(5000).Should().BeTrue();
        p.ExitCode.Should().Be(0);
    }

    [Fact]
    public void Ties_of_a_us_pedestal_stand_at_whole_inches()
    {
        using var f = Folder.Building("workshop-frame");
        f["plinth.toml"] = f["plinth.toml"].Replace("top-depth = \"6 in\"", "top-depth = \"3 ft\"", StringComparison.Ordinal)
            + "\n[pedestal]\nunder = \"steel\"\n";
        f.Run("size", "F1", "F2").Exit.Should().Be(0);
        var ties = System.Text.RegularExpressions.Regex.Matches(f["adopted.toml"], "pedestal.ties = \"#\\d+ @ ([0-9.]+) in\"")
            .Select(m => m.Groups[1].Value)
            .ToList();
        ties.Should().HaveCount(2).And.OnlyContain(t => !t.Contains('.'));
    }
}
