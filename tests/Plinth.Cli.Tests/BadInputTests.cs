using System.Text;

namespace Plinth.Cli.Tests;

/// <summary>Bad input gets a message with its place and the way to mend it, exit code 2, and nothing is written.</summary>
public class BadInputTests
{
    private static void Refused(Folder f, params string[] messages)
    {
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Error);
        ran.Out.Should().BeEmpty();
        foreach (var m in messages)
        {
            ran.Error.Should().Contain(m);
        }

        f.Has("adopted.toml").Should().BeFalse("nothing is written");
    }

    [Theory]
    [InlineData("reactions.csv", "Fx (kN),Fy (kN)", "Fx (kN),Fx (kN)", "reactions.csv:1:22: error: column \"Fx\" stands twice; delete one")]
    [InlineData("reactions.csv", "case,Fx", "kase,Fx", "reactions.csv:1:1: error: column \"case\" is missing; name it in the header")]
    [InlineData("reactions.csv", "Fz (kN)", "Fz", "reactions.csv:1:30: error: column \"Fz\" has no unit; write for example Fz (kN)")]
    [InlineData("reactions.csv", "Fz (kN)", "Fz (kPa)", "column \"Fz\": kPa is a pressure, but a force is needed")]
    [InlineData("reactions.csv", "Fz (kN)", "Fz (stone)", "\"stone\" is not a unit known here")]
    [InlineData("reactions.csv", "C1,LIVE,1,0,180", "C1,LIVE,1,0,heavy", "reactions.csv:3:13: error: Fz \"heavy\" is not a number; write "
        + "it with a decimal point")]
    [InlineData("reactions.csv", "C1,LIVE,1,0,180", "C1,LIVE,1,0,NaN", "Fz \"NaN\" is not a finite number")]
    [InlineData("reactions.csv", "C1,LIVE,1,0,180", "C1,LIVE,1,0,1e400", "Fz \"1e400\" is not a finite number")]
    [InlineData("reactions.csv", "C1,LIVE,1,0,180,0,3", "C1,LIVE,1,0,180,5,0,3", "reactions.csv:3:1: error: this row has 8 cells where the "
        + "header has 7; a decimal comma")]
    [InlineData("reactions.csv", "C1,LIVE,1,0,180,0,3", "C9,LIVE,1,0,180,0,3", "reactions.csv:3:1: error: support \"C9\" does not stand in "
        + "supports.csv; add it there, or delete its rows")]
    [InlineData("reactions.csv", "C1,LIVE", "C1,SNOW", "reactions.csv:3:4: error: case \"SNOW\" has no symbol; add it to [cases] in "
        + "plinth.toml, for example SNOW = \"S\"")]
    [InlineData("reactions.csv", "C1,LIVE", "C1,DEAD", "support \"C1\" has case \"DEAD\" twice: first on line 2")]
    [InlineData("supports.csv", "C3,12,0,400,500", "C3,12,0,400,500\nC4,18,0,400,400", "supports.csv:5:1: error: support \"C4\" has no "
        + "reactions in reactions.csv")]
    [InlineData("supports.csv", "C3,12", "C1,12", "supports.csv:4:1: error: support \"C1\" stands twice: first at supports.csv:2:1")]
    [InlineData("supports.csv", "C3,12,0,400,500", "C3,12,0,-400,500", "supports.csv:4:9: error: cx \"-400\" of support \"C3\" must be "
        + "more than zero")]
    [InlineData("supports.csv", "C3,12,0", "C3,,0", "support \"C3\" has no x; give its position")]
    [InlineData("supports.csv", "cx (mm)", "cx (kN)", "column \"cx\": kN is a force, but a length is needed")]
    [InlineData("plinth.toml", "bearing = \"200 kPa\"", "bearing = \"200\"", "plinth.toml:15:11: error: bearing \"200\" has no unit; write "
        + "for example \"200 kPa\"")]
    [InlineData("plinth.toml", "bearing = \"200 kPa\"", "bearing = 200", "bearing = 200 has no unit; write for example bearing = "
        + "\"200 kPa\"")]
    [InlineData("plinth.toml", "bearing = \"200 kPa\"", "bearing = \"200 kN\"", "is a force, but a pressure is needed")]
    [InlineData("plinth.toml", "bearing = \"200 kPa\"", "bearing = \"-200 kPa\"", "must be more than zero")]
    [InlineData("plinth.toml", "bearing = \"200 kPa\"", "bering = \"200 kPa\"", "plinth.toml:15:1: error: [ground] has no key \"bering\"; "
        + "did you mean \"bearing\"?")]
    [InlineData("plinth.toml", "bearing = \"200 kPa\"\n", "", "[ground] needs bearing; write for example bearing = \"200 kPa\"")]
    [InlineData("plinth.toml", "yield = \"420 MPa\"\n", "", "[steel] needs yield")]
    [InlineData("plinth.toml", "code = \"aci318m-19\"", "code = \"aci318m-9\"", "code = \"aci318m-9\" is not known; did you mean "
        + "\"aci318m-19\"?")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"asce7-12\"", "standard = \"asce7-12\" is not known; did you mean "
        + "\"asce7-10\"?")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"en1990\"", "\"D\" is no symbol of EN 1990, whose symbols are G, Q, "
        + "S, W, T, A, E; permanent loads are \"G\" there")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"asce7-22\"\ndesign-approach = 2", "design-approach does nothing "
        + "under asce7-22; delete it")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"en1990\"\ndesign-approach = 4", "design-approach is 1, 2 or 3")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"en1990\"\npartial.B = { G-sup = 0.9 }", "G-inf 1 of set B is above "
        + "G-sup 0.9; swap them")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"en1990\"\npsi.Z = [1, 1, 1]", "\"Z\" has no ψ here; categories of "
        + "Q are A to H")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"en1990\"\npsi.A = [1, 2, 0]", "psi.A needs ψ0, ψ1, ψ2 from 0 to 1")]
    [InlineData("plinth.toml", "DEAD = \"D\"\nLIVE = \"L\"", "DEAD = \"G\"\nLIVE = \"Q\"\n[seismic]\nsds = 0.2", "case \"LIVE\" needs the "
        + "category of its load", "standard = \"asce7-22\"", "standard = \"en1990\"")]
    [InlineData("plinth.toml", "DEAD = \"D\"\nLIVE = \"L\"", "DEAD = \"G\"\nLIVE = \"Q\"\n[seismic]\nsds = 0.2", "sds does nothing under "
        + "en1990; delete it", "standard = \"asce7-22\"", "standard = \"en1990\"")]
    [InlineData("plinth.toml", "standard = \"asce7-22\"", "standard = \"asce7-22\"\n[seismic]\noverturning-reduction = 0.3", "overturning-reduction is at most 0.25 (ASCE 7 12.13.4)")]
    [InlineData("plinth.toml", "LIVE = \"L\"", "LIVE = { symbol = \"L\", spectrum = true }", "spectrum is for W and E")]
    [InlineData("plinth.toml", "LIVE = \"L\"", "LIVE = { symbol = \"L\", category = \"B\" }", "category is for Q of en1990 alone")]
    [InlineData("plinth.toml", "LIVE = \"L\"", "LIVE = { for = [\"ground\"] }", "needs weights; write for example weights = 0.6, the "
        + "factor on D within it")]
    [InlineData("plinth.toml", "LIVE = \"L\"", "LIVE = { for = [\"ground\"], weights = 1.0, transient = false, symbol = \"L\" }", "is combined beforehand (for = …), so symbol does nothing; delete it")]
    [InlineData("plinth.toml", "LIVE = \"L\"", "LIVE = \"E\"\n[seismic]\northogonal = 0.3", "orthogonal pairs earthquake cases by "
        + "direction, which case \"LIVE\" does not say")]
    [InlineData("plinth.toml", "[steel]", "[totals]\nDAED = \"1 kN\"\n[steel]", "[totals]: there is no case \"DAED\" in [cases]; did you "
        + "mean \"DEAD\"?")]
    [InlineData("plinth.toml", "[steel]", "[[foundation]]\nsupports = [\"C1\"]\nleave-out = [\"X9*\"]\n[steel]", "foundation F1: no "
        + "combination is named \"X9*\"")]
    [InlineData("plinth.toml", "[steel]", "[[foundation]]\nsupports = [\"C1\"]\ncombinations = [\"U*\"]\n[steel]", "this choice leaves no "
        + "combination for ground, so those checks would not be done")]
    [InlineData("plinth.toml", "[steel]", "[[foundation]]\nsupports = [\"C1\"]\n[[foundation.load]]\ncase = \"LIVE\"\nline = \"5 kN/m\"\n"
        + "[steel]", "plinth.toml:24:8: error: a line load runs between two points from the column's centre")]
    [InlineData("plinth.toml", "[steel]", "[[foundation]]\nsupports = [\"C1\"]\n[[foundation.load]]\ncase = \"LIVE\"\npoint = \"5 kPa\"\n"
        + "at = [\"0 m\", \"0 m\"]\n[steel]", "is a pressure, but a force is needed")]
    [InlineData("plinth.toml", "[steel]", "[[support]]\nlabel = \"C1\"\ncx = \"300 mm\"\nreactions = { DEAD = { Fz = \"1 kN\" } }\n[steel]", "support \"C1\" stands twice: also at supports.csv:2:1")]
    [InlineData("plinth.toml", "[steel]", "[import]\nfile = \"x.csv\"\naxes = [\"y\", \"x\", \"z\"]\n[steel]", "is left-handed")]
    [InlineData("plinth.toml", "LIVE = \"L\"", "LIVE = \"l\"", "\"l\" is not a load symbol; did you mean \"L\"?")]
    [InlineData("plinth.toml", "founding-depth = \"1.5 m\"", "founding-depth = \"1.5 m\"\nwater-depth = \"2 m\"\nwater-depth-low = \"1 m\"", "water-depth-low lies above water-depth; the lowest water is the deeper one")]
    [InlineData("plinth.toml", "founding-depth = \"1.5 m\"", "founding-depth = \"1.5 m\"\ntop-depth = \"1 m\"", "founding-depth and "
        + "top-depth are both given; keep one")]
    [InlineData("plinth.toml", "[steel]", "[steel", "plinth.toml:20:7: error: not TOML")]
    [InlineData("plinth.toml", "[steel]", "[ground]", "table [ground] stands twice")]
    [InlineData("plinth.toml", "yield = \"420 MPa\"", "yield = \"420 MPa\"\nyield = \"500 MPa\"", "key \"yield\" stands twice: first at "
        + "plinth.toml:21:1")]
    [InlineData("plinth.toml", "yield = \"420 MPa\"", "yield = \"420 MPa\"\nbars = [\"T17\"]", "\"T17\" is not a bar size")]
    public void Wrong_files_are_refused_with_place_and_mend(string file, string old, string with, string message, string? also = null,
        string? by = null)
    {
        using var f = new Folder();
        f.Replace(file, old, with);
        if (also is not null)
        {
            f.Replace(file, also, by!);
        }

        Refused(f, message);
    }

    [Theory]
    [InlineData("supports = [\"C7\"]", "support \"C7\" does not stand in supports.csv; did you mean \"C1\"?")]
    [InlineData("supports = [\"C1\"]\nlength = \"0.3 m\"\nwidth=\"0.3 m\"\nwdth = \"1 m\"", "has no key \"wdth\"; did you mean \"width\"?")]
    [InlineData("supports = [\"C1\"]\nedge-x0 = \"column\"\nedge-x1 = \"1 m\"\nlength = \"2 m\"", "length and both edges along x are "
        + "given; keep two of the three")]
    [InlineData("supports = [\"C1\"]\nconcrete.strength = \"40\"", "strength \"40\" has no unit")]
    [InlineData("supports = [\"C1\"]\ncombinations = [\"U1\"]", "this choice leaves no combination for ground")]
    [InlineData("alike = [[\"C1\"], [\"C2\"]]\n\n[[foundation]]\nsupports = [\"C2\"]", "support \"C2\" belongs to")]
    [InlineData("supports = [\"C1\"]\nground = \"clay\"", "there is no [grounds.clay]; write the table")]
    public void Wrong_foundations_are_refused(string table, string message)
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\n" + table + "\n";
        Refused(f, message);
    }

    [Fact]
    public void A_fault_in_a_support_is_told_once()
    {
        using var f = new Folder();
        f.Replace("supports.csv", "C3,12,0,400,500", "C3,12,0,-400,500");
        f.Run("size").Error.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Should().ContainSingle("rows of reactions.csv that name it are no faults of their own");
    }

    [Fact]
    public void All_faults_are_reported_at_once()
    {
        using var f = new Folder();
        f.Replace("plinth.toml", "\"200 kPa\"", "\"200\"");
        f.Replace("supports.csv", "C2,6", "C2,six");
        f.Replace("reactions.csv", "C3,DEAD,-2", "C3,DEAD,much");
        f.Replace("reactions.csv", "C2,DEAD,0", "C2,DEAD,none");
        Refused(f, "plinth.toml:15:11", "supports.csv:3:4: error: x \"six\" is not a number", "reactions.csv:5:9: error: Fx \"none\"",
            "reactions.csv:8:9: error: Fx \"much\"");
    }

    [Theory]
    [InlineData("plinth.toml")]
    [InlineData("supports.csv")]
    [InlineData("reactions.csv")]
    public void An_empty_or_missing_file_is_named(string file)
    {
        using var f = new Folder();
        f[file] = "";
        Refused(f, $"{file}: error: is empty");
        File.Delete(Path.Combine(f.Path, file));
        f.Run("size", "--project", f.Path).Error.Should().Contain($"{file}: error: there is no such file");
    }

    [Fact]
    public void An_unknown_encoding_is_refused_and_known_ones_are_read()
    {
        using var f = new Folder();
        f.Run("size").Exit.Should().Be(0);
        var expected = f["adopted.toml"];
        var text = f["supports.csv"];
        Encoding[] known = [new UTF8Encoding(true), new UnicodeEncoding(false, true), new UnicodeEncoding(true, true),
            new UnicodeEncoding(false, false)];
        foreach (var encoding in known)
        {
            File.Delete(Path.Combine(f.Path, "adopted.toml"));
            File.WriteAllText(Path.Combine(f.Path, "supports.csv"), text.ReplaceLineEndings("\r\n"), encoding);
            f.Run("size").Exit.Should().Be(0, encoding.EncodingName);
            f["adopted.toml"].Should().Be(expected);
        }

        File.Delete(Path.Combine(f.Path, "adopted.toml"));
        File.WriteAllBytes(Path.Combine(f.Path, "supports.csv"),
            Encoding.Latin1.GetBytes(text.Replace("C3", "Säule", StringComparison.Ordinal)));
        Refused(f, "supports.csv:4:2: error: is neither UTF-8 nor UTF-16 text; save it as UTF-8");
    }

    [Theory]
    [InlineData("length = \"2000 mm\"", "length = \"0.3 m\"", "adopted.toml:6:10: error: [F1] the column of C1 stands beyond the base")]
    [InlineData("supports = [\"C1\"]", "supports = [\"C8\"]", "adopted.toml:5:12: error: [F1] stands under support \"C8\", which "
        + "supports.csv does not have")]
    [InlineData("length = \"2000 mm\"", "length = \"-2 m\"", "must be more than zero")]
    [InlineData("kind = \"isolated\"", "kind = \"raft\"", "kind \"raft\" is not designed in this version")]
    [InlineData("bottom-x", "botom-x", "has no key \"botom-x\"; did you mean \"bottom-x\"?")]
    public void A_wrong_adopted_file_is_refused_and_stays_as_it_is(string old, string with, string message)
    {
        using var f = new Folder();
        f["adopted.toml"] = """
            # by hand

            [F1]
            kind = "isolated"
            supports = ["C1"]
            length = "2000 mm"
            width = "2000 mm"
            thickness = "500 mm"
            bottom-x = "13 T16"
            bottom-y = "13 T16"

            """;
        f.Run("check").Exit.Should().Be(1, "F2 and F3 are not sized");
        f.Replace("adopted.toml", old, with);
        var before = f["adopted.toml"];
        var ran = f.Run("size");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(message);
        f["adopted.toml"].Should().Be(before);
    }

    [Fact]
    public void A_size_held_and_another_adopted_is_an_error_with_both_places()
    {
        using var f = new Folder();
        f.Run("size").Exit.Should().Be(0);
        f["plinth.toml"] += "\n[[foundation]]\nsupports = [\"C1\"]\nwidth = \"2.75 m\"\n";
        var stale = f.Run("check");
        stale.Exit.Should().Be(1);
        stale.Error.Should().MatchRegex(
            @"adopted.toml:\d+:\d+: warning: \[F1\] width \d+ mm differs from width 2750 mm, which plinth.toml holds for it; it was sized before that: plinth size finds it anew");
        f.Run("set", "F2", "width=3 m");
        f["plinth.toml"] += "\n[[foundation]]\nsupports = [\"C2\"]\nwidth = \"2.8 m\"\n";
        var ran = f.Run("check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("[F2] width 3000 mm differs from width 2800 mm, which plinth.toml holds for it; delete the table");
        f["plinth.toml"] = f["plinth.toml"].Replace("width = \"2.8 m\"", "width = \"3 m\"");
        f.Run("size").Error.Should().Contain("1 written", "what sizing wrote is replaced");
        f["adopted.toml"].Should().Contain("width = \"2750 mm\"");
    }

    [Fact]
    public void A_level_below_the_top_of_the_base_names_both()
    {
        using var f = new Folder();
        f.Replace("plinth.toml", "founding-depth = \"1.5 m\"", "top-depth = \"0.5 m\"");
        f["supports.csv"] =
            "support,x (m),y (m),level (m),cx (mm),cy (mm)\nC1,0,0,-0.9,400,400\nC2,6,0,-0.5,400,400\nC3,12,0,-0.5,400,500\n";
        Refused(f, "supports.csv:2:1: error: support \"C1\": its reactions act at level -0.90 m, below the top of its base at -0.50 m");
    }

    [Fact]
    public void A_read_only_folder_is_an_error_and_leaves_nothing()
    {
        using var f = new Folder();

        // Without rights, where this user has all; the program may lie below a folder that others may not enter, so a copy of it runs.
        var start = Program.Start("/", "size", "--project", f.Path);
        using var copy = new Folder();
        if (Environment.UserName == "root")
        {
            var path = Program.CopyTo(copy.Path);
            start = Program.Start("/", "--reuid=65534", "--clear-groups", path, "size", "--project", f.Path);
            start.FileName = "setpriv";
        }

        start.Environment["DOTNET_BUNDLE_EXTRACT_BASE_DIR"] = "/tmp";
        File.SetUnixFileMode(f.Path,
            UnixFileMode.UserRead | UnixFileMode.UserExecute | UnixFileMode.GroupRead | UnixFileMode.GroupExecute | UnixFileMode.OtherRead
                | UnixFileMode.OtherExecute);
        foreach (var file in Directory.GetFiles(f.Path))
        {
            File.SetUnixFileMode(file, UnixFileMode.UserRead | UnixFileMode.GroupRead | UnixFileMode.OtherRead);
        }

        var ran = Program.Run(start);
        ran.Exit.Should().Be(2, ran.Error);
        ran.Error.Should().Contain("denied");
        Directory.GetFiles(f.Path).Should().HaveCount(3);
    }

    [Theory]
    [InlineData("../x")]
    [InlineData("<b>")]
    [InlineData("[red]")]
    [InlineData("=1+1")]
    public void A_label_may_hold_anything_and_is_never_used_unescaped(string label)
    {
        using var f = new Folder();
        f["supports.csv"] = f["supports.csv"].Replace("C2", label, StringComparison.Ordinal);
        f["reactions.csv"] = f["reactions.csv"].Replace("C2", label, StringComparison.Ordinal);
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Out.Should().Contain(label);
        f.Run("schedule", "--to", "out/a.csv").Exit.Should().Be(0);
        f["out/a.csv"].Should().Contain(label == "=1+1" ? ",'=1+1," : $",{label},");
        Directory.GetFileSystemEntries(f.Path).Should().HaveCount(5);
        f.Run("check", "--format", "json").Json.GetProperty("foundations")[1].GetProperty("places")[0].GetProperty("supports")[0]
            .GetString()
            .Should().Be(label);
    }

    [Theory]
    [InlineData("name = \"Test\"", "name = \"a\\u0001b\"", "plinth.toml:2:8", "control character, U+0001")]
    [InlineData("name = \"Test\"", "name = \"a\\uFFFFb\"", "plinth.toml:2:8", "no character, U+FFFF")]
    [InlineData("name = \"Test\"", "name = \"a\u0007b\"", "plinth.toml:2:10", "control character, U+0007")]
    [InlineData("DEAD = \"D\"", "\"DE\\u0002\" = \"D\"", "plinth.toml", "the key holds a control character, U+0002")]
    public void What_no_document_can_hold_is_refused_where_it_stands(string old, string text, string place, string message)
    {
        using var f = new Folder();
        f["plinth.toml"] = f["plinth.toml"].Replace(old, text, StringComparison.Ordinal);
        var ran = f.Run("size", "--all");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(place).And.Contain(message).And.Contain("take it out");
    }

    [Fact]
    public void A_control_character_in_a_label_is_refused()
    {
        using var f = new Folder();
        f["supports.csv"] = f["supports.csv"].Replace("C2", "C\u00072", StringComparison.Ordinal);
        Refused(f, "holds a control character");
    }

    [Theory]
    [InlineData("no foundation has the mark \"F9\"; did you mean F1?", "check", "F9")]
    [InlineData("support C1 stands on F1", "check", "C1")]
    [InlineData("there is no check \"bearng\"; did you mean bearing?", "show", "F1", "bearng")]
    [InlineData("anchor-rods is not checked here", "show", "F1", "anchor-rods")]
    [InlineData("there is no combination \"U9\"", "show", "F1", "bearing", "--combination", "U9")]
    [InlineData("is for concrete, but bearing needs one for ground", "show", "F1", "bearing", "--combination", "U1")]
    [InlineData("there is no key \"widht\"; did you mean \"width\"?", "set", "F1", "widht=2 m")]
    [InlineData("width \"2\" has no unit", "set", "F1", "width=2")]
    [InlineData("the column of C1 stands beyond the base", "check", "F1", "--set", "width=0.2 m")]
    [InlineData("\"width\" is not KEY=VALUE", "set", "F1", "width")]
    [InlineData("there is no support \"C9\"", "combos", "C9")]
    [InlineData("schedules are written as .xlsx or .csv", "schedule", "--to", "x.pdf")]
    [InlineData("not recognized. Must be one of", "schedule", "--what", "beams")]
    [InlineData("there is no folder /nowhere", "check", "--project", "/nowhere")]
    [InlineData("Unrecognized command", "chek")]
    public void A_wrong_call_says_so(string message, params string[] arguments)
    {
        using var f = new Folder();
        f.Run("size").Exit.Should().Be(0);
        var before = f["adopted.toml"];
        var ran = f.Run(arguments);
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(message);
        f["adopted.toml"].Should().Be(before);
    }

    [Fact]
    public void A_folder_that_is_no_project_is_told_how_to_start_one()
    {
        var empty = Directory.CreateTempSubdirectory("plinth-empty-").FullName;
        var ran = Program.Run(empty, "check");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain("no plinth.toml in this folder or above it").And.Contain("plinth new DIR");
        Directory.Delete(empty);
    }
}
