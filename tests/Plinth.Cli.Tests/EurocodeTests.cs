using System.Text.Json;
using System.Text.RegularExpressions;

namespace Plinth.Cli.Tests;

/// <summary>Projects whose concrete is checked by EN 1992-1-1, through the built program: what they state, what they show, what is refused.</summary>
public class EurocodeTests
{
    private const string Ground = "[ground]\ndesign = \"en1997\"\nfounding-depth = \"1.5 m\"\nbearing = \"200 kPa\"\n"
        + "bearing-resistance = \"330 kPa\"\nfriction = 0.55\n";

    private static Folder European(string more = "")
    {
        var f = new Folder();
        f.Replace("plinth.toml", "code = \"aci318m-19\"", "code = \"en1992\"");
        f.Replace("plinth.toml", "standard = \"asce7-22\"", "standard = \"en1990\"");
        f.Replace("plinth.toml", "DEAD = \"D\"\nLIVE = \"L\"", "DEAD = \"G\"\nLIVE = { symbol = \"Q\", category = \"B\" }");
        f.Replace("plinth.toml", "[ground]\nfounding-depth = \"1.5 m\"\nbearing = \"200 kPa\"\n", Ground);
        f.Replace("plinth.toml", "strength = \"30 MPa\"", "strength = \"C30/37\"");
        f.Replace("plinth.toml", "yield = \"420 MPa\"", "yield = \"B500\"");
        f["plinth.toml"] += more;
        return f;
    }

    private static List<JsonElement> Checks(Folder f) => [.. f.Run("check", "--format", "json").Json.GetProperty("foundations")
        .EnumerateArray().SelectMany(r => r.GetProperty("checks").EnumerateArray())];

    [Fact]
    public void A_building_is_sized_checked_and_shown_in_its_clauses_letters_and_bars()
    {
        using var f = European();
        var sized = f.Run("size");
        sized.Exit.Should().Be(0, sized.Error);
        sized.Error.Should().NotContain("warning", "codes, loads and ground belong together");
        f["adopted.toml"].Should().MatchRegex("\"H(10|12|16|20|25)-[0-9]+\"", "bars stand at whole spacings");
        var checks = Checks(f);
        foreach (var (id, clause) in ((string, string)[])[("two-way-shear", "EN 1992-1-1 6.4.4(2), 6.4.5(3)"), ("anchorage-x", "EN 1992-1-1 9.8.2.2, 8.4.4"),
            ("one-way-shear-y", "EN 1992-1-1 6.2.2"), ("flexure-bottom-x", "EN 1992-1-1 6.1"), ("column-bearing", "EN 1992-1-1 6.7")])
        {
            checks.Where(c => c.GetProperty("id").GetString() == id).Should().HaveCount(3)
                .And.OnlyContain(c => c.GetProperty("clause").GetString() == clause);
        }

        string[] ofAci = ["least-depth", "punching-steel", "moment-transfer"];
        checks.Select(c => c.GetProperty("id").GetString()).Should().NotContain(ofAci);
        foreach (var check in checks)
        {
            (check.GetProperty("clause").GetString() ?? "").Should().NotContain("ACI", check.GetProperty("id").GetString());
        }

        f.Run("show", "F2", "two-way-shear").Out.Should().Contain("VEd,red").And.Contain("vRd ").And.Contain("[EN 1992-1-1 eq. 6.50]").And.NotContain("φv");
        f.Run("show", "F2", "flexure-bottom-x").Out.Should().Contain("MEd").And.Contain("MRd").And.NotContain("φM");
        f.Run("show", "F2").Out.Should().Contain("EN 1992-1-1, EN 1990, EN 1997-1");
        f.Run("draw", "F2", "--what", "sections", "--to", "s.svg").Exit.Should().Be(0);
        f["s.svg"].Should().Contain("VRd,c").And.Contain("VEd,red").And.NotContain("φVc");
        f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
        f["plan.svg"].Should().Contain("fck 30 MPa").And.Contain("reinforcement B500");
        f.Run("report", "--to", "r.html", "--depth", "full").Exit.Should().Be(0);
        f["r.html"].Should().Contain("αcc: long-term effects").And.Contain("EN 1992-1-1 6.2.2(1), 6.4.4(1)").And.NotContain("ACI 318");
        f.Run("schedule", "--to", "s.csv").Exit.Should().Be(0);
    }

    [Fact]
    public void Values_of_the_nation_count_and_are_told()
    {
        double Used(Folder f, string check)
        {
            using (f)
            {
                f["plinth.toml"] += "[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nlength = \"2.2 m\"\nwidth = \"2.2 m\"\nthickness = \"0.5 m\"\n"
                    + "bottom-x = \"H16-200\"\nbottom-y = \"11 H16\"\n";
                f.Run("check").Error.Should().BeEmpty();
                var settings = f.Run("show", "F1", "--settings", "--format", "json").Json.GetProperty("settings").EnumerateArray().ToList();
                settings.Should().Contain(s => s.GetProperty("key").GetString() == "alpha-cc");
                return Checks(f).First(c => c.GetProperty("id").GetString() == check).GetProperty("utilisation").GetDouble();
            }
        }

        Used(European("[annex]\nalpha-cc = 0.85\n"), "column-bearing").Should().BeApproximately(Used(European(), "column-bearing") / 0.85, 1e-9);
        Used(European("[annex]\ngamma-s = 1.25\n"), "flexure-bottom-x").Should().BeGreaterThan(Used(European(), "flexure-bottom-x"));
        Used(European("[annex]\nv-min = 0.028\n"), "one-way-shear-x").Should().BeApproximately(Used(European(), "one-way-shear-x") * 0.035 / 0.028, 1e-6);
    }

    // γC 1.2, γS 1.0 in accidental combinations (2.4.2.4(1)).
    [Fact]
    public void Accidental_situations_have_partial_factors_of_their_own()
    {
        using var f = European();
        f.Replace("plinth.toml", "[ground]", "CRASH = \"A\"\n[ground]");
        f["reactions.csv"] += "C1,CRASH,60,0,-40,0,90\n";
        f["reactions.csv"] += "C2,CRASH,0,0,0,0,0\nC3,CRASH,0,0,0,0,0\n";
        f.Run("size").Exit.Should().Be(0);
        var combination = f.Run("combos", "--format", "json").Json.GetProperty("combinations").EnumerateArray()
            .Select(c => c.GetProperty("name").GetString()!).First(n => n.StartsWith("ACC", StringComparison.Ordinal));
        f.Run("show", "F1", "flexure-bottom-x", "--combination", combination).Out.Should().MatchRegex(@"fcd += αcc·fck/γC = 1·30/1\.2 = 25 MPa")
            .And.MatchRegex(@"fyd += fyk/γS = 500/1 = 500 MPa");
        f.Run("show", "F1", "flexure-bottom-x", "--combination", "B:Gsup").Out.Should().MatchRegex(@"fyk/γS = 500/1\.15");
    }

    [Fact]
    public void Cracks_are_looked_at_where_a_width_is_stated()
    {
        using var f = European();
        f.Run("size").Exit.Should().Be(0);
        f.Run("check").Out.Should().MatchRegex(@"cracks-x, cracks-y \(give \[concrete\]\s+crack-width\)");
        Checks(f).Select(c => c.GetProperty("id").GetString()).Should().NotContain("cracks-x");
        f.Replace("plinth.toml", "strength = \"C30/37\"", "strength = \"C30/37\"\ncrack-width = \"0.15 mm\"");
        f.Run("size").Exit.Should().BeOneOf(0, 1);
        var cracks = Checks(f).Where(c => c.GetProperty("id").GetString() == "cracks-x").ToList();
        cracks.Should().HaveCount(3).And.OnlyContain(c => c.GetProperty("combination").GetString()!.StartsWith("QP", StringComparison.Ordinal));
        f.Run("show", "F2", "cracks-x").Out.Should().Contain("sr,max").And.Contain("MEk").And.Contain("7.3.4");
    }

    [Theory]
    [InlineData("strength = \"C30/37\"", "strength = \"C30/37\"\ncover-bottom = \"35 mm\"", "cover-bottom = 35 mm is less than 40 mm: on prepared ground or blinding")]
    [InlineData("strength = \"C30/37\"", "strength = \"C30/37\"\nblinding = \"0 mm\"", "cover-bottom = 50 mm is less than 75 mm: straight on the ground")]
    [InlineData("strength = \"C30/37\"", "strength = \"C30/37\"\nexposure = \"XD3\"", "is less than 55 mm: XD3, S4 and the allowance for deviation")]
    [InlineData("design = \"en1997\"", "design = \"allowable\"", "the ground is held to allowable values; write [ground] design = \"en1997\"")]
    public void What_does_not_belong_together_is_said(string old, string now, string warning)
    {
        using var f = European();
        f.Replace("plinth.toml", old, now);
        if (now.Contains("allowable", StringComparison.Ordinal))
        {
            f.Replace("plinth.toml", "bearing-resistance = \"330 kPa\"\n", "");
        }

        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error);
        ran.Error.Should().Contain(warning).And.MatchRegex(@"plinth\.toml:\d+:\d+: warning");
    }

    [Theory]
    [InlineData("C30/37", "C30/35", "strength = \"C30/35\" is no class of table 3.1; write one of C12/15")]
    [InlineData("strength = \"C30/37\"", "strength = \"C30/37\"\nshear-phi = 0.6", "shear-phi does nothing under EN 1992-1-1; delete it")]
    [InlineData("strength = \"C30/37\"", "strength = \"C30/37\"\nexposure = \"XF4\"", "exposure = \"XF4\" is not known")]
    [InlineData("strength = \"C30/37\"", "strength = \"C30/37\"\nstructural-class = \"S4\"", "structural-class does nothing without exposure")]
    [InlineData("strength = \"C30/37\"", "strength = \"C30/37\"\nexposure = \"XC2\"\nstructural-class = \"S7\"", "write \"S1\" to \"S6\"")]
    [InlineData("yield = \"B500\"", "yield = \"B500\"\npunching-steel = true", "punching-steel does nothing under EN 1992-1-1")]
    [InlineData("yield = \"B500\"", "yield = \"B500\"\ncrack-spacing = true", "crack-spacing does nothing under EN 1992-1-1; write [concrete] crack-width")]
    [InlineData("code = \"en1992\"", "code = \"aci318m-19\"\n[annex]\nalpha-cc = 0.85", "alpha-cc does nothing without [project] code = \"en1992\"")]
    [InlineData("code = \"en1992\"", "code = \"en1992\"\nunits = \"us\"", "EN 1992-1-1 is written in SI units alone")]
    [InlineData("code = \"en1992\"", "code = \"en1992\"\nannex = \"own\"", "annex = \"own\" is not known")]
    [InlineData("code = \"en1992\"", "code = \"en1993\"", "code = \"en1993\" is not known; did you mean \"en1992\"?")]
    [InlineData("[concrete]", "[annex]\nalpha-ccc = 0.85\n[concrete]", "[annex] has no key \"alpha-ccc\"; did you mean \"alpha-cc\"?")]
    [InlineData("[concrete]", "[[foundation]]\nkind = \"strip\"\nsupports = [\"C1\", \"C2\"]\n[concrete]", "checks of a strip footing by EN 1992-1-1 are not built")]
    [InlineData("[concrete]", "[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nconcrete = { shear-phi = 0.6 }\n[concrete]", "shear-phi does nothing under EN 1992-1-1")]
    [InlineData("[concrete]", "[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nbottom-x = \"H16-12\"\n[concrete]", "the spacing must be more than the bar's diameter")]
    public void Bad_input_is_refused_with_its_place(string old, string now, string message)
    {
        using var f = European();
        f.Replace("plinth.toml", old, now);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Error);
        ran.Error.Should().Contain(message).And.MatchRegex(@"plinth\.toml:\d+:\d+: error");
        f.Has("adopted.toml").Should().BeFalse("nothing is written");
    }

    [Theory]
    [InlineData("strength = \"30 MPa\"", "strength = \"30 MPa\"\ncrack-width = \"0.3 mm\"", "crack-width does nothing under ACI 318M-19; write [steel] crack-spacing")]
    [InlineData("strength = \"30 MPa\"", "strength = \"30 MPa\"\nexposure = \"XC2\"", "exposure does nothing under ACI 318M-19")]
    public void Keys_of_one_code_are_refused_under_another(string old, string now, string message)
    {
        using var f = new Folder();
        f.Replace("plinth.toml", old, now);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Error);
        ran.Error.Should().Contain(message);
    }

    // What the code in force cannot check is not offered to be pasted.
    [Fact]
    public void Nothing_is_proposed_that_would_be_refused()
    {
        using var f = European();
        f.Replace("supports.csv", "C2,6,0", "C2,1,0");
        var ran = f.Run("size");
        ran.Exit.Should().Be(1, "they overlap");
        ran.Out.Should().Contain("OVERLAP in plan").And.NotContain("strap").And.NotContain("pile-cap");

        // What is proposed is pasted as it stands, and is not refused.
        f["plinth.toml"] += "\n[[foundation]]\nsupports = [\"C1\", \"C2\"]\n";
        ran.Out.Should().Contain("supports = [\"C1\", \"C2\"]");
        f.Run("size").Error.Should().NotContain("not built");
    }

    // Bars are read and shown as they are written; T and H are sizes of their own.
    [Fact]
    public void Bars_are_shown_as_written()
    {
        using var f = European("[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nlength = \"2.4 m\"\nwidth = \"2.4 m\"\nthickness = \"0.55 m\"\n"
            + "bottom-x = \"H16-175\"\nbottom-y = \"T16 @ 175 mm\"\n");
        f.Run("check").Error.Should().BeEmpty();
        f.Run("show", "F1").Out.Should().Contain("H16-175 along x, T16 @ 175 mm along y");
        f.Run("size").Exit.Should().Be(0);
        f.Run("set", "F2", "bottom-x=H20-150").Exit.Should().BeOneOf(0, 1);
        Regex.Matches(f["adopted.toml"], "H20-150").Should().HaveCount(1);
    }

    // By a script from the clauses alone, small cells of pressure and sampled perimeters, over all combinations.
    [Theory]
    [InlineData("flexure-bottom-x", 0.5563, "B:Gsup:+X:Q")]
    [InlineData("flexure-bottom-y", 0.3424, "B:Gsup:-X:Q")]
    [InlineData("flexure-top-x", 0.0237, "B:Ginf:-X")]
    [InlineData("one-way-shear-x", 0.6931, "B:Gsup:+X:Q")]
    [InlineData("one-way-shear-y", 0.3982, "B:Gsup:-X:Q")]
    [InlineData("two-way-shear", 0.5652, "B:Gsup:-X:Q")]
    [InlineData("anchorage-x", 0.6400, "B:Gsup")]
    [InlineData("cracks-x", 0.4504, "QP:Q")]
    [InlineData("cracks-y", 0.4133, "QP:Q")]
    [InlineData("column-bearing", 0.1906, "B:Gsup:Q:-X")]
    public void A_lifted_pad_worked_apart(string check, double utilisation, string combination)
    {
        using var f = new Folder();
        f["plinth.toml"] = """
            [project]
            name = "Lifted pad"
            code = "en1992"
            [loads]
            standard = "en1990"
            [cases]
            P = "G"
            V = { symbol = "Q", category = "B" }
            X = { symbol = "W", reversible = true }
            [ground]
            design = "en1997"
            bearing-resistance = "900 kPa"
            founding-depth = "1.3 m"
            friction = 0.6
            soil-weight = "18 kN/m3"
            [concrete]
            strength = "C30/37"
            crack-width = "0.3 mm"
            [column]
            strength = "C35/45"
            dowels = "8 H20"
            [steel]
            yield = "B500"
            lower-layer = "x"
            [[foundation]]
            mark = "F1"
            supports = ["A1"]
            length = "2.6 m"
            width = "2.2 m"
            thickness = "0.60 m"
            offset-x = "0.25 m"
            bottom-x = "14 H16"
            bottom-y = "15 H16"
            top-x = "11 H12"
            top-y = "13 H12"

            """;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nA1,0,0,400,500\n";
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\nA1,P,0,0,520,10,15\nA1,V,0,0,210,0,10\nA1,X,45,-20,-90,110,190\n";
        var found = Checks(f).Single(c => c.GetProperty("id").GetString() == check);
        found.GetProperty("utilisation").GetDouble().Should().BeApproximately(utilisation, 1.5e-4);
        found.GetProperty("combination").GetString().Should().Be(combination);
    }

    // A base under two unequal columns, moments both ways, 1.8 % of it lifted: pressure on 2.8 million cells, sections by their sums,
    // perimeters in steps of 10 mm, worked by a script before the program was asked.
    [Theory]
    [InlineData("one-way-shear-x", null, 434.7, 423.5, 1.0265)]
    [InlineData("flexure-top-x", null, 260.0, 554.8, 0.4686)]
    [InlineData("flexure-bottom-x", null, 302.9, 554.8, 0.5460)]
    [InlineData("two-way-shear", "C1", 0.3903, 1.2324, 0.3167)]
    [InlineData("two-way-shear", "C2", 0.7417, 1.1325, 0.6549)]
    public void A_lifted_base_under_two_columns_worked_apart(string check, string? at, double demand, double capacity, double utilisation)
    {
        using var f = UnderTwo();
        string[] where = at is null ? [] : ["--at", at];
        var found = f.Run([.. (string[])["show", "CF1", check, "--combination", "B:Gsup", "--format", "json"], .. where]).Json
            .GetProperty("check");
        found.GetProperty("utilisation").GetDouble().Should().BeApproximately(utilisation, 2e-4);

        // Near its worst distance stress and strength change faster than their ratio.
        found.GetProperty("demand").GetDouble().Should().BeApproximately(demand, demand * (at is null ? 2e-4 : 0.05));
        found.GetProperty("capacity").GetDouble().Should().BeApproximately(capacity, capacity * (at is null ? 2e-4 : 0.05));
    }

    [Fact]
    public void A_base_under_two_columns_is_sized_and_told_in_its_clauses()
    {
        using var f = UnderTwo("crack-width = \"0.3 mm\"\n");
        f["plinth.toml"] = f["plinth.toml"][..f["plinth.toml"].IndexOf("length", StringComparison.Ordinal)];
        f.Run("size").Exit.Should().Be(0);
        var checks = Checks(f);
        checks.Should().OnlyContain(c => c.GetProperty("utilisation").GetDouble() <= 1 + 1e-9)
            .And.OnlyContain(c => !(c.GetProperty("clause").GetString() ?? "").Contains("ACI"));
        checks.Select(c => c.GetProperty("id").GetString()).Should().Contain("cracks-x").And.Contain("cracks-y").And.Contain("anchorage-x")
            .And.NotContain("least-depth");
        foreach (var check in (string[])["anchorage-x", "cracks-x", "two-way-shear", "one-way-shear-x", "flexure-top-x"])
        {
            f.Run("show", "CF1", check).Out.Should().Contain("EN 1992-1-1").And.NotContain("ACI").And.NotContain("13.2.8.2");
        }

        // The drawing of its sections tells the stresses of the check, by its letters.
        f.Run("draw", "CF1", "--what", "sections", "--to", "s.svg").Exit.Should().Be(0);
        foreach (var check in checks.Where(c => c.GetProperty("id").GetString() == "two-way-shear"))
        {
            f["s.svg"].Should().Contain(FormattableString.Invariant($"vEd {check.GetProperty("demand").GetDouble():0.000} MPa"));
        }

        f["s.svg"].Should().Contain("VRd,c").And.NotContain("φVc");
        f.Run("draw", "CF1", "--what", "forces", "--to", "f.svg").Exit.Should().Be(0);
        f["f.svg"].Should().Contain("MRd").And.NotContain("φMn");

        // The same on springs, whose stiffness is the code's.
        f.Replace("plinth.toml", "kind = \"combined\"", "kind = \"combined\"\nsoil = \"springs\"");
        f.Replace("plinth.toml", "friction = 0.5", "friction = 0.5\nsubgrade-modulus = \"30 MN/m3\"");
        f.Run("size").Exit.Should().Be(0);
        f.Run("show", "CF1", "bearing").Out.Should().Contain("EN 1992-1-1 table 3.1").And.NotContain("19.2.2.1");
        Checks(f).Should().OnlyContain(c => c.GetProperty("utilisation").GetDouble() <= 1 + 1e-9);
    }

    // Where two columns stand nearer to each other than their perimeters reach, none encloses a part of the other, and both are looked at
    // together.
    [Fact]
    public void Columns_side_by_side_are_punched_through_together_too()
    {
        using var f = UnderTwo();
        f["supports.csv"] = f["supports.csv"].Replace("C2,3.6,", "C2,1.4,", StringComparison.Ordinal);
        var checks = Checks(f).Where(c => c.GetProperty("id").GetString() == "two-way-shear").ToList();
        checks.Select(c => c.GetProperty("at").GetString()).Should().Equal("C1", "C2", "C1+C2");

        // 0.95 m between the faces, d 0.534 m.
        var told = f.Run("show", "CF1", "two-way-shear", "--at", "C1").Out;
        double.Parse(Regex.Match(told, @" a += ([0-9.]+) mm").Groups[1].Value, System.Globalization.CultureInfo.InvariantCulture)
            .Should().BeLessThanOrEqualTo(950);
    }

    private static Folder UnderTwo(string concrete = "")
    {
        var f = new Folder();
        f["plinth.toml"] = $$"""
            [project]
            name = "Two columns"
            code = "en1992"
            [loads]
            standard = "en1990"
            [cases]
            DEAD = "G"
            [ground]
            design = "en1997"
            level = "0 m"
            founding-depth = "1.0 m"
            soil-weight = "18 kN/m3"
            bearing = "300 kPa"
            bearing-resistance = "500 kPa"
            friction = 0.5
            [concrete]
            strength = "C30/37"
            {{concrete}}
            [steel]
            yield = "B500"
            lower-layer = "x"
            [[foundation]]
            mark = "CF1"
            kind = "combined"
            supports = ["C1", "C2"]
            edge-x0 = "1.0 m"
            length = "5.6 m"
            width = "2.0 m"
            thickness = "0.6 m"
            offset-y = "0 m"
            bottom-x = "12 H16"
            bottom-y = { at = { C1 = "8 H16", C2 = "8 H16" }, rest = "12 H12" }
            top-x = "12 H16"
            top-y = "25 H12"

            """;
        f["supports.csv"] = "support,x (m),y (m),shape,cx (mm),cy (mm)\nC1,0,0,rect,400,400\nC2,3.6,0,rect,500,500\n";
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\nC1,DEAD,0,0,400,-130,30,0\n"
            + "C2,DEAD,0,0,900,-250,180,0\n";
        return f;
    }

    // The office on single bases, by both families.
    [Fact]
    public void The_office_frame_is_founded_by_the_Eurocodes_too()
    {
        using var f = Folder.OfficeOfSingles();
        (string Old, string Now)[] changes =
        [
            ("aci318m-19", "en1992"), ("asce7-22", "en1990"), ("live-companion = 0.5\n", ""), ("DEAD = \"D\"\nSDL = \"D\"\nLIVE = \"L\"\nROOF = \"Lr\"",
                "DEAD = \"G\"\nSDL = \"G\"\nLIVE = { symbol = \"Q\", category = \"B\" }\nROOF = { symbol = \"Q\", category = \"H\" }"),
            ("bearing-transient = 1.33\n", "design = \"en1997\"\nbearing-resistance = \"400 kPa\"\n"), ("30 MPa", "C30/37"), ("420 MPa", "B500"),
            ("\"T16\", \"T20\", \"T25\"", "\"H12\", \"H16\", \"H20\", \"H25\""),
        ];
        static string European(string toml, (string Old, string Now)[] changes) => changes.Aggregate(toml, (t, c) =>
        {
            t.Should().Contain(c.Old);
            return t.Replace(c.Old, c.Now, StringComparison.Ordinal);
        });
        f["plinth.toml"] = European(f["plinth.toml"], changes);
        f.Run("size").Out.Should().Contain("27 foundations: 27 pass.");
        var all = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray().ToList();
        all.Should().HaveCount(27);
        all.SelectMany(r => r.GetProperty("checks").EnumerateArray()).Should()
            .OnlyContain(c => c.GetProperty("utilisation").GetDouble() <= 1 + 1e-9);
    }
}
