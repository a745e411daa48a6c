using System.Text;

namespace Plinth.Files.Tests;

/// <summary>Raw tables in every form that analyses export become reactions.csv, or are refused with the reason.</summary>
public class ImportTests
{
    private const string Plain =
        "Joint,Loading,FX (kN),FZ (kN),MY (kNm)\n1,DEAD,1.50,100.25,-7.125\n1,WX,-15,0,30\n2,DEAD,0,200,0\n2,WX,-16,0.0,31\n";
    private const string Expected =
        "support,case,Fx (kN),Fz (kN),My (kNm)\n1,DEAD,1.50,100.25,-7.125\n1,WX,-15,0,30\n2,DEAD,0,200,0\n2,WX,-16,0.0,31\n";

    private static RawFolder Given(string raw, string import = RawFolder.Long, Encoding? encoding = null) =>
        new RawFolder().With("raw.csv", raw, encoding).Import(import);

    private static void Gives(RawFolder f, string reactions)
    {
        f.Faults.Should().BeEmpty();
        f.Reactions.Should().Be(reactions);
    }

    public static TheoryData<string, string> Forms => new()
    {
        { "as it is", Plain },
        { "titles above, blank rows between", "A title; with, signs\n\n" + Plain.Replace("1,WX", "\n1,WX", StringComparison.Ordinal) },
        { "semicolons and decimal commas", Plain.Replace(',', ';').Replace('.', ',') },
        { "tabs", Plain.Replace(',', '\t') },
        { "bars", Plain.Replace(',', '|') },
        { "quotes",
            string.Join('\n',
                Plain.Split('\n').Select(l => l.Length == 0 ? l : "\"" + l.Replace(",", "\",\"", StringComparison.Ordinal) + "\"")) },
        { "CRLF", Plain.Replace("\n", "\r\n", StringComparison.Ordinal) },
        { "units in a row below", "Joint,Loading,FX,FZ,MY\n,,kN,kN,kNm\n" + Plain[(Plain.IndexOf('\n', StringComparison.Ordinal) + 1)..] },
        { "units in square brackets",
            Plain.Replace("(kN)", "[kN]", StringComparison.Ordinal).Replace("(kNm)", "[kNm]", StringComparison.Ordinal) },
        { "header and units repeated page by page",
            Plain.Replace("2,DEAD", "Joint,Loading,FX (kN),FZ (kN),MY (kNm)\n2,DEAD", StringComparison.Ordinal) },
        { "more columns than are wanted", string.Join('\n', Plain.Split('\n').Select(l => l.Length == 0 ? l : "x," + l + ",y")) },
        { "typographic minus", Plain.Replace("-", "−", StringComparison.Ordinal) },
    };

    [Theory]
    [MemberData(nameof(Forms))]
    public void Long_tables_in_any_form(string name, string raw)
    {
        using var f = Given(raw);
        f.Faults.Should().BeEmpty(name);
        f.Reactions.Should().Be(Expected, name);
        f.Report!.Supports.Should().Be(2);
        f.Report.Cases.Select(c => (c.Case, c.Totals.N, c.Totals.Fx)).Should().Equal(("DEAD", 300.25, -1.5), ("WX", 0, 31));
    }

    [Fact]
    public void Encodings_are_told_apart()
    {
        var raw = Plain.Replace("WX", "VENT Ü", StringComparison.Ordinal);
        var expected = Expected.Replace("WX", "VENT Ü", StringComparison.Ordinal);
        foreach (var encoding in new[] { new UTF8Encoding(false), new UTF8Encoding(true), new UnicodeEncoding(false, true),
            new UnicodeEncoding(true, true), new UnicodeEncoding(false, false), Encoding.Latin1 })
        {
            using var f = Given(raw, RawFolder.Long, encoding);
            Gives(f, expected);
        }
    }

    [Fact]
    public void A_letter_cut_by_the_end_of_a_block_is_still_utf8()
    {
        var raw = Plain + string.Concat(Enumerable.Range(0, 9000).Select(i => $"j{i},Ü,1,2,3\n"));
        using var f = Given(raw);
        f.Faults.Should().BeEmpty();
        f.Report!.Cases.Select(c => c.Case).Should().Equal("DEAD", "WX", "Ü");
        f.Report.Read[0].Should().Contain("utf-8");
    }

    [Fact]
    public void Axes_turn_forces_and_moments_alike_and_keep_the_digits()
    {
        const string Raw = "Joint,Loading,FX (kN),FY (kN),FZ (kN),MX (kNm),MY (kNm),MZ (kNm)\n7,DEAD,1.10,200.0,-3,4,5.50,-6\n";
        const string Columns =
            "[import]\nfile = \"raw.csv\"\naxes = [\"x\", \"-z\", \"y\"]\n"
                + "columns = { support = \"Joint\", case = \"Loading\", Fx = \"FX\", Fy = \"FY\", Fz = \"FZ\", Mx = \"MX\", My = \"MY\", Mz = \"MZ\" }\n";
        using var f = Given(Raw, Columns);
        Gives(f, "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\n7,DEAD,1.10,3,200.0,4,6,5.50\n");
        using var g = Given(Raw, Columns + "sense = \"action\"\n");
        Gives(g, "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\n7,DEAD,-1.10,-3,-200.0,-4,-6,-5.50\n");
    }

    [Theory]
    [InlineData("\"x\", \"z\", \"y\"", "is left-handed: it would mirror the building and turn its moments round; did you mean [\"x\", "
        + "\"-z\", \"y\"]?")]
    [InlineData("\"x\", \"x\", \"y\"", "axes names a model axis twice")]
    [InlineData("\"x\", \"up\", \"y\"", "axes gives the project's x, y and up in the model's axes")]
    public void Axes_must_be_right_handed(string axes, string message)
    {
        using var f = Given(Plain, RawFolder.Long + $"axes = [{axes}]\n");
        f.Faults.Should().Contain(message);
    }

    [Fact]
    public void Labels_by_table_pattern_or_column()
    {
        using var f = Given(Plain, RawFolder.Long + "labels = { \"1\" = \"A/1\", \"2\" = \"B, 2\" }\n");
        f.Reactions.Should().Contain("\nA/1,DEAD,").And.Contain("\n\"B, 2\",DEAD,");
        using var g = Given(Plain, RawFolder.Long + "label-pattern = \"^(\\\\d)$\"\nlabel-to = \"C$1\"\n");
        g.Reactions.Should().Contain("\nC1,DEAD,").And.Contain("\nC2,DEAD,");
        using var h = new RawFolder().With("raw.csv", Plain).With("pos.csv", "No,Name,X (m),Y (m)\n1,K1,0,0\n2,K2,6,0\n3,K3,9,9\n")
            .Import(RawFolder.Long
                + "positions = { file = \"pos.csv\", columns = { support = \"No\", label = \"Name\", x = \"X\", y = \"Y\" } }\n");
        h.Reactions.Should().Contain("\nK2,DEAD,");
        h.Report!.SupportsText.Should().Be("support,x (m),y (m),shape,cx (mm),cy (mm),grid\nK1,0,0,,,,\nK2,6,0,,,,\n");
        using var missing = Given(Plain, RawFolder.Long + "labels = { \"1\" = \"A\" }\n");
        missing.Faults.Should().Contain("\"2\" has no support: it is not in [import.labels]");
        using var twice = Given(Plain, RawFolder.Long + "labels = { \"1\" = \"A\", \"2\" = \"A\" }\n");
        twice.Faults.Should().Contain("\"2\" and \"1\" both become support \"A\"");
    }

    [Fact]
    public void Rows_are_kept_and_left_out_by_label_level_and_case_and_that_is_told()
    {
        using var f = Given(Plain, RawFolder.Long + "leave-out = [\"2\"]\nleave-out-cases = [\"W*\"]\n");
        Gives(f, "support,case,Fx (kN),Fz (kN),My (kNm)\n1,DEAD,1.50,100.25,-7.125\n");
        f.Report!.LeftOut.Select(l => (l.Reason, l.Rows)).Should().BeEquivalentTo([("leave-out", 2), ("cases left out", 1)]);
        using var g = new RawFolder().With("raw.csv", Plain).With("pos.csv", "No,X (m),Y (m),Z (m)\n1,0,0,-0.5\n2,6,0,3\n")
            .Import(RawFolder.Long
                + "keep-level = [\"-500 mm\"]\n"
                + "positions = { file = \"pos.csv\", columns = { support = \"No\", x = \"X\", y = \"Y\", z = \"Z\" } }\n");
        g.Report!.Supports.Should().Be(1);
        g.Report.LeftOut.Single().Reason.Should().Be("not at keep-level");
        using var totals = Given(Plain + "Total of all,n/a,sum,sum,-\n", RawFolder.Long + "leave-out = [\"Total*\"]\n");
        Gives(totals, Expected);
        totals.Report!.LeftOut.Single().Examples.Should().Equal("Total of all");
        using var h = Given(Plain + "Total,DEAD,1.5,300.25,0\n", RawFolder.Long + "skip = [6]\n");
        Gives(h, Expected);
    }

    [Fact]
    public void Steps_become_cases_and_extremes_are_refused()
    {
        const string Raw = "Joint,Loading,Step,FX (kN),FZ (kN),MY (kNm)\n1,DEAD,,1,2,3\n1,WIND,1,4,5,6\n1,WIND,2,7,8,9\n";
        var stepped = RawFolder.Long.Replace("case = \"Loading\"", "case = \"Loading\", step = \"Step\"", StringComparison.Ordinal);
        using var f = Given(Raw, stepped);
        f.Report!.Cases.Select(c => c.Case).Should().Equal("DEAD", "WIND/1", "WIND/2");
        using var twice = Given(Raw);
        twice.Faults.Should().Contain("support \"1\" has case \"WIND\" twice; if these are steps, name their column in columns.step");
        using var extremes = Given(Raw.Replace(",2,7", ",Max,7", StringComparison.Ordinal), stepped);
        extremes.Faults.Should().Contain(
            "raw.csv:4:3: error: case \"WIND/Max\" holds maxima or minima: each component is the extreme of another moment, so they never "
                + "act together");
        using var innocent = Given(Plain.Replace("WX", "MAXWELL", StringComparison.Ordinal));
        innocent.Faults.Should().BeEmpty("a word within a word is no sign of an envelope");
        using var renamed = Given(Plain, RawFolder.Long + "cases = { WX = \"WIND\" }\n");
        renamed.Report!.Cases.Select(c => c.Case).Should().Equal("DEAD", "WIND");
    }

    [Fact]
    public void Wide_tables_with_a_column_a_case_and_component()
    {
        const string Raw = "Base,DEAD Fz (kN),DEAD My (kNm),W 1 Fz (kN),W 1 My (kNm)\nA,10.0,1,-2,3\nB,20,,4,5\n";
        using var f = Given(Raw,
            "[import]\nfile = \"raw.csv\"\nlayout = \"wide\"\nwide = \"{case} {component}\"\ncolumns = { support = \"Base\" }\n");
        Gives(f, "support,case,Fz (kN),My (kNm)\nA,DEAD,10.0,1\nA,W 1,-2,3\nB,DEAD,20,0\nB,W 1,4,5\n");
    }

    [Fact]
    public void Wide_tables_of_one_component_and_with_a_row_a_component()
    {
        using var f = Given("Base;G (kN);Q (kN)\nA;10;1\nB;20;2\n",
            "[import]\nfile = \"raw.csv\"\nlayout = \"wide\"\nwide = \"{case}\"\ncomponent = \"Fz\"\ncolumns = { support = \"Base\" }\n");
        Gives(f, "support,case,Fz (kN)\nA,G,10\nA,Q,1\nB,G,20\nB,Q,2\n");
        using var g = Given("Base,Part,G,Q\nA,V,10,1\nA,M,3,4\nB,V,20,2\n",
            "[import]\nfile = \"raw.csv\"\nlayout = \"wide\"\nwide = \"{case}\"\n"
                + "units = { Fz = \"kN\", Mx = \"kNm\" }\n"
                + "columns = { support = \"Base\", component = \"Part\", Fz = \"V\", Mx = \"M\" }\n");
        Gives(g, "support,case,Fz (kN),Mx (kNm)\nA,G,10,3\nA,Q,1,4\nB,G,20,0\nB,Q,2,0\n");
    }

    [Fact]
    public void Labels_that_stand_once_a_block_are_carried_down_when_asked()
    {
        const string Raw = "Joint,Loading,FX (kN),FZ (kN),MY (kNm)\n1,DEAD,1,2,3\n,WX,4,5,6\n2,DEAD,7,8,9\n";
        using var f = Given(Raw, RawFolder.Long + "carry-down = [\"support\"]\n");
        f.Reactions.Should().Contain("\n1,WX,4,5,6\n2,DEAD");
        using var byCase = Given("Joint,Loading,FX (kN),FZ (kN),MY (kNm)\nJ1,DEAD,1,2,3\nJ2,,4,5,6\nJ1,WX,1,2,3\nJ2,,7,8,9\n",
            RawFolder.Long + "carry-down = [\"case\"]\nleave-out = [\"J1\"]\n");
        Gives(byCase, "support,case,Fx (kN),Fz (kN),My (kNm)\nJ2,DEAD,4,5,6\nJ2,WX,7,8,9\n");
        using var headed = Given("Joint,Loading,FX (kN),FZ (kN),MY (kNm)\nJ1,,,,\n,DEAD,1,2,3\nJ2,,,,\n,DEAD,4,5,6\n,WX,7,8,9\n",
            RawFolder.Long + "carry-down = [\"support\"]\nleave-out = [\"J1\"]\n");
        Gives(headed, "support,case,Fx (kN),Fz (kN),My (kNm)\nJ2,DEAD,4,5,6\nJ2,WX,7,8,9\n");
        using var g = Given(Raw);
        g.Faults.Should().Contain("raw.csv:3:1: error: this row names no support; carry-down = [\"support\"] repeats the one above");
    }

    public static TheoryData<string, string> Faulty => new()
    {
        { Plain.Replace("100.25", "heavy", StringComparison.Ordinal),
            "raw.csv:2:13: error: FZ (kN) \"heavy\" is not a number with a decimal point" },
        { Plain.Replace("100.25", "\"1,100.25\"", StringComparison.Ordinal),
            "has separators of thousands; format the column without them" },
        { Plain.Replace("100.25", "#DIV/0!", StringComparison.Ordinal), "holds the spreadsheet error #DIV/0!; mend its formula" },
        { Plain.Replace("100.25", "1e999", StringComparison.Ordinal), "\"1e999\" is not a number" },
        { Plain.Replace(" (kN)", "", StringComparison.Ordinal),
            "column \"FX\" has no unit that is known here, in its header or in a row below it; say it in plinth.toml: units.Fx = \"kN\"" },
        { Plain.Replace("FZ (kN)", "FZ (kPa)", StringComparison.Ordinal), "column \"FZ (kPa)\": \"kPa\" is no unit of a force" },
        { Plain.Replace("FZ (kN)", "FZ (stone)", StringComparison.Ordinal), "column \"FZ (stone)\" has no unit that is known here" },
        { Plain.Replace("Loading", "Sort", StringComparison.Ordinal),
            "no row of raw.csv has the columns \"Loading\"; mend the names, or say header =" },
        { Plain + "1,DEAD,1,2,3\n", "raw.csv:6:1: error: support \"1\" has case \"DEAD\" twice" },
        { Plain.Replace("MY (kNm)", "FZ (kN)", StringComparison.Ordinal), "\"MY\"" },
        { "", "raw.csv: error: is empty" },
        { "PK\0\0\u0001", "raw.csv: error: is not a text file" },
    };

    [Theory]
    [MemberData(nameof(Faulty))]
    public void Faults_are_told_with_place_and_mend(string raw, string message)
    {
        using var f = Given(raw);
        f.Report.Should().BeNull();
        f.Faults.Should().Contain(message);
    }

    [Theory]
    [InlineData("file = \"raw.csv\"", "file = \"row.csv\"", "plinth.toml:9:8: error: there is no file row.csv")]
    [InlineData("file = \"raw.csv\"", "file = \"raw.xls\"", "is of a kind that is not read; save it as .xlsx or .csv")]
    [InlineData("Fz = \"FZ\"", "Fv = \"FZ\"", "has no key \"Fv\"; did you mean")]
    [InlineData("[import]", "[import]\nheader = \"3\"", "header is the number of a row, from 1")]
    [InlineData("[import]", "[import]\nlabel-pattern = \"(\"\nlabel-to = \"x\"", "label-pattern is not a regular expression")]
    [InlineData("[import]", "[import]\nlayout = \"wide\"", "a wide table needs the pattern of its headers")]
    [InlineData("[import]", "[import]\nunits = { Fz = \"kPa\" }", "\"kPa\" is no unit of a force")]
    public void Faults_of_the_import_part(string old, string with, string message)
    {
        using var f = new RawFolder().With("raw.csv", Plain).With("raw.xls", "x")
            .Import(RawFolder.Long.Replace(old, with, StringComparison.Ordinal));
        f.Report.Should().BeNull();
        f.Faults.Should().Contain(message);
    }

    [Fact]
    public void Rows_units_delimiter_and_sign_may_be_stated_where_finding_them_fails()
    {
        // Two rows could be the header, no row has units, and every number could be a whole one with thousands.
        const string Raw = "Joint;Loading;FX;FZ;MY\nJoint;Loading;FX;FZ;MY\n1;DEAD;1,000;2,000;3,000\n";
        const string Stated = RawFolder.Long
            + "header = 2\nunits-row = false\ndelimiter = \";\"\ndecimal = \",\"\nencoding = \"utf-8\"\n"
            + "units = { Fx = \"kip\", Fz = \"kip\", My = \"kip-ft\" }\n";
        using var f = Given(Raw, Stated);
        Gives(f, "support,case,Fx (kip),Fz (kip),My (kip-ft)\n1,DEAD,1.000,2.000,3.000\n");
        f.Report!.Cases[0].Totals.N.Should().BeApproximately(2 * 4.4482216152605, 1e-9);
        using var point = Given(Raw, Stated.Replace("decimal = \",\"", "decimal = \".\"", StringComparison.Ordinal));
        point.Faults.Should().Contain("\"1,000\" is not a number with a decimal point; say decimal = \",\" if it is the other");
    }

    [Fact]
    public void A_new_table_of_supports_takes_sizes_from_a_further_table()
    {
        using var f = new RawFolder().With("raw.csv", Plain).With("pos.csv", "No;X (m);Y (m);Z (m)\n2;6,0;0;-0,5\n1;0;0;-0,5\n3;9;9;4\n")
            .With("sizes.csv", "label,form,b (mm),h (mm),axis\nC1,rect,400,600,A/1\nC2,round,500,,B/1\n")
            .Import(RawFolder.Long
                + "label-pattern = \"^(\\\\d)$\"\nlabel-to = \"C$1\"\n"
                + "positions = { file = \"pos.csv\", columns = { support = \"No\", x = \"X\", y = \"Y\", z = \"Z\" } }\n"
                + "sizes = { file = \"sizes.csv\", columns = { support = \"label\", shape = \"form\", cx = \"b\", cy = \"h\", grid = \"axis\" } }\n");
        f.Faults.Should().BeEmpty();
        f.Report!.SupportsText.Should().Be(
            "support,x (m),y (m),level (m),shape,cx (mm),cy (mm),grid\nC1,0,0,-0.5,rect,400,600,A/1\nC2,6.0,0,-0.5,round,500,,B/1\n");
        f.Report.HasPositions.Should().BeTrue();
        f.Report.Read.Should().HaveCount(3);
    }

    [Theory]
    [InlineData("No,X (m),Y (m)\n1,0,0\n", "\"2\" is not among the positions in pos.csv; add it there, or leave it out")]
    [InlineData("No,X (m),Y (m)\n1,0,0\n1,1,1\n2,6,0\n", "pos.csv:3:1: error: \"1\" stands twice among the positions")]
    [InlineData("No,X (m),Y (m)\n1,zero,0\n2,6,0\n", "pos.csv:2:3: error: X (m) \"zero\" of \"1\" is not a number")]
    [InlineData("No,X,Y\n1,0,0\n2,6,0\n", "column \"X\" has no unit that is known here, in its header or in a row below it; say it in "
        + "plinth.toml: units.x = \"mm\"")]
    public void Positions_that_do_not_fit_are_told(string positions, string message)
    {
        using var f = new RawFolder().With("raw.csv", Plain).With("pos.csv", positions)
            .Import(RawFolder.Long + "positions = { file = \"pos.csv\", columns = { support = \"No\", x = \"X\", y = \"Y\" } }\n");
        f.Report.Should().BeNull();
        f.Faults.Should().Contain(message);
    }

    [Fact]
    public void What_is_not_committed_leaves_no_trace()
    {
        using var f = new RawFolder().With("table.csv", "old");
        var path = Path.Combine(f.Path, "table.csv");
        using (var file = TextFile.WriteAtomically(path))
        {
            file.Writer.Write("half");
            file.Writer.Flush();
            File.ReadAllText(path).Should().Be("old", "a reader sees the old content until the new is whole");
        }

        File.ReadAllText(path).Should().Be("old");
        Directory.GetFiles(f.Path).Should().HaveCount(1);
        using (var file = TextFile.WriteAtomically(path))
        {
            file.Writer.Write("new");
            file.Commit();
        }

        File.ReadAllText(path).Should().Be("new");
        Directory.GetFiles(f.Path).Should().HaveCount(1);
    }

    [Fact]
    public void A_second_import_moves_what_moved_and_keeps_what_was_added_by_hand()
    {
        const string Positions = "No,X (mm),Y (mm),Z (mm)\n1,0,0,-500\n2,6000,0,-500\n";
        const string Import = RawFolder.Long
            + "positions = { file = \"pos.csv\", columns = { support = \"No\", x = \"X\", y = \"Y\", z = \"Z\" } }\n"
            + "sizes = { file = \"sizes.csv\", columns = { support = \"col\", cx = \"b\" } }\n";
        const string Old = "support,x (m),note,y (m),level (m),cx (mm)\n\"1\",0.0,\"by hand, kept\",0,-0.5,450\n9,3,gone,0,-0.5,300\n";
        using var f = new RawFolder().With("raw.csv", Plain)
            .With("pos.csv", Positions.Replace("1,0,0", "1,250,0", StringComparison.Ordinal)).With("sizes.csv", "col,b (cm)\n1,50\n2,40\n")
            .With("supports.csv", Old).Import(Import);
        f.Faults.Should().BeEmpty();
        f.Report!.SupportsText.Should().Be(
            "support,x (m),note,y (m),level (m),cx (mm)\n1,0.25,\"by hand, kept\",0,-0.5,450\n2,6,,0,-0.5,400\n");
        f.Report.Came.Should().Equal("2");
        f.Report.Moved.Should().Equal("1 x 0.00 → 0.25 m");
        f.Report.Kept.Should().Equal("1 cx 450 (the table has 500)");
        f.Report.Went.Should().Equal("9,3,gone,0,-0.5,300");
        using var again = new RawFolder().With("raw.csv", Plain).With("pos.csv", Positions).With("sizes.csv", "col,b (mm)\n1,450\n2,400\n")
            .With("supports.csv", "support,x (m),y (m),level (m),cx (mm),\"remark, m\"\n1,0,0,-0.50,450,\n2,6,0,-0.50,\"400\",\n")
            .Import(Import);
        again.Report!.SupportsText.Should().BeNull("nothing changed, so not a byte is touched");
    }
}
