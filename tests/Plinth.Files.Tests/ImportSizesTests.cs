using Plinth.Files.Diagnostics;
using Plinth.Files.Import;
using Plinth.Files.Reading;

namespace Plinth.Files.Tests;

/// <summary>Sizes, plates and angles of columns from a table of their own; a guess that may be pasted as it is.</summary>
public class ImportSizesTests
{
    private const string Reactions =
        "node,load,R1 (kN),R2 (kN),R3 (kN)\n1,DEAD,1,2,300\n1,WIND X,5,0,-20\n2,DEAD,0,0,420\n2,WIND X,4,0,10\n";

    private const string Positions = "node,x (m),y (m)\n1,0,0\n2,6,0\n";

    private const string Import = """
        [import]
        file = "raw.csv"
        columns = { support = "node", case = "load", Fx = "R1", Fy = "R2", Fz = "R3" }
        positions = { file = "pos.csv", columns = { support = "node", x = "x", y = "y" } }
        sizes = { file = "sizes.csv", columns = { support = "node", shape = "form", cx = "depth", cy = "width", plate-x = "plate L", plate-y = "plate B", angle = "turn", grid = "axes" } }

        """;

    private const string Sizes =
        "node,form,depth (mm),width (mm),plate L (mm),plate B (mm),turn (deg),axes\n1,steel,300,200,450,350,90,A-1\n2,rect,400,500,,,,B-1\n";

    private static RawFolder Given(string sizes = Sizes, string? supports = null)
    {
        var f = new RawFolder().With("raw.csv", Reactions).With("pos.csv", Positions).With("sizes.csv", sizes);
        return (supports is null ? f : f.With("supports.csv", supports)).Import(Import);
    }

    [Fact]
    public void A_new_table_has_every_column_of_the_sizes()
    {
        using var f = Given();
        f.Faults.Should().BeEmpty();
        f.Report!.SupportsText.Should().Be(
            "support,x (m),y (m),shape,cx (mm),cy (mm),plate-x (mm),plate-y (mm),angle (deg),grid\n"
                + "1,0,0,steel,300,200,450,350,90,A-1\n2,6,0,rect,400,500,,,,B-1\n");
    }

    [Fact]
    public void Columns_that_the_table_of_supports_lacks_come_behind_its_own()
    {
        // Nothing of what stands is touched: not the remark, not the spelling of numbers.
        using var f =
            Given(
                supports: "support,x (m),\"remark, ours\",y (m),shape,cx (mm),cy (mm)\n1,0.0,\"kept, as is\",0,steel,300,200\n"
                    + "2,6,,0.00,rect,400,500\n");
        f.Faults.Should().BeEmpty();
        f.Report!.SupportsText.Should().Be(
            "support,x (m),\"remark, ours\",y (m),shape,cx (mm),cy (mm),plate-x (mm),plate-y (mm),angle (deg),grid\n"
                + "1,0.0,\"kept, as is\",0,steel,300,200,450,350,90,A-1\n2,6,,0.00,rect,400,500,,,,B-1\n");
        f.Report.Kept.Should().BeEmpty();
        f.Report.Moved.Should().BeEmpty();
    }

    [Fact]
    public void What_was_written_by_hand_stays_and_is_named()
    {
        using var f =
            Given(
                supports: "support,x (m),y (m),shape,cx (mm),cy (mm),plate-x (mm),plate-y (mm),angle (deg),grid\n"
                    + "1,0,0,steel,300,200,500,350,90,A-1\n2,6,0,round,400,500,,,,\n");
        f.Faults.Should().BeEmpty();
        f.Report!.Kept.Should().Equal("1 plate-x 500 (the table has 450)", "2 shape round (the table has rect)");
        f.Report.SupportsText.Should().Contain("2,6,0,round,400,500,,,,B-1", "an empty cell is filled");
    }

    [Theory]
    [InlineData("in", "12", 0.3048)]
    [InlineData("cm", "30", 0.3)]
    [InlineData("m", "0.3", 0.3)]
    public void Sizes_in_another_unit_than_the_table_has_are_turned_into_its_own(string unit, string written, double metres)
    {
        using var f =
            Given(
                $"node,form,depth ({unit}),width ({unit}),plate L ({unit}),plate B ({unit}),turn (deg),axes\n"
                    + $"1,rect,{written},{written},,,,\n",
                "support,x (m),y (m),shape,cx (mm),cy (mm)\n1,0,0,,,\n2,6,0,rect,400,400\n");
        f.Faults.Should().BeEmpty();
        f.Report!.SupportsText!.Split('\n')[1]
            .Should().StartWith(FormattableString.Invariant($"1,0,0,rect,{metres * 1000:0.#},{metres * 1000:0.#}"));
    }

    [Theory]
    [InlineData("node,form,depth (mm),width (mm),plate L (mm),plate B (mm),turn (deg),axes\n1,steel,large,200,450,350,0,A-1\n", "sizes.csv:2:9: error: depth (mm) \"large\" of \"1\" is not a number")]
    [InlineData("node,form,depth (mm),width (mm),plate L (mm),plate B (mm),turn (deg),axes\n"
        + "1,steel,300,200,450,350,0,A-1\n1,steel,300,200,450,350,0,A-1\n", "\"1\" stands twice among the sizes; delete one")]
    [InlineData("node,form,depth,width (mm),plate L (mm),plate B (mm),turn (deg),axes\n1,steel,300,200,450,350,0,A-1\n", "column \"depth\" "
        + "has no unit that is known here")]
    public void Sizes_that_cannot_be_read_are_told_with_their_place(string sizes, string message)
    {
        using var f = Given(sizes);
        f.Faults.Should().Contain(message);
        f.Report.Should().BeNull();
    }

    [Fact]
    public void An_angle_without_a_unit_is_in_degrees()
    {
        using var f = Given(Sizes.Replace("turn (deg)", "turn", StringComparison.Ordinal));
        f.Faults.Should().BeEmpty();
        f.Report!.SupportsText.Should().Contain(",350,90,A-1\n");
    }

    private static string? Guess(RawFolder f, params string[] known)
    {
        var bag = new DiagnosticBag();
        var text = ImportGuess.Text(f.Path, "raw.csv", null, known.ToHashSet(), european: false, bag);
        bag.Sorted.Should().BeEmpty();
        return text;
    }

    [Fact]
    public void A_guess_finds_sizes_beside_the_reactions_and_reads_as_it_stands()
    {
        using var f = new RawFolder().With("raw.csv", "support,case,Fx (kN),Fy (kN),Fz (kN)\n1,DEAD,1,2,300\n1,LIVE,0,0,90\n")
            .With("where.csv", "support,x (m),y (m)\n1,0,0\n")
            .With("profiles.csv", "support,shape,cx (mm),cy (mm),plate-x (mm),plate-y (mm),angle (deg)\n1,steel,300,200,450,350,0\n");
        var text = Guess(f)!;
        text.Should().Contain("[import.positions]").And.Contain("file = \"where.csv\"").And.Contain("[import.sizes]").And.Contain(
            "file = \"profiles.csv\"").And.Contain("plate-x = \"plate-x (mm)\"");
        text.Should().Contain("[cases]").And.Contain("DEAD = \"D\"").And.Contain("LIVE = \"L\"");

        // Pasted as it is under a project without cases, it is an import that runs.
        f.With("plinth.toml", "[project]\nname = \"T\"\ncode = \"aci318m-19\"\n[loads]\nstandard = \"asce7-22\"\n" + text);
        var bag = new DiagnosticBag();
        var project = ImportProject.Read(f.Path, bag);
        using var writer = new StringWriter();
        var report = new Importer(f.Path, project!.Spec!, project.Context, bag).Run(writer);
        bag.Sorted.Should().BeEmpty();
        report!.SupportsText.Should().Be(
            "support,x (m),y (m),shape,cx (mm),cy (mm),plate-x (mm),plate-y (mm),angle (deg)\n1,0,0,steel,300,200,450,350,0\n");
    }

    [Fact]
    public void Where_cases_stand_already_a_guess_brings_only_lines_that_are_missing()
    {
        using var f = new RawFolder().With("raw.csv", "support,case,Fz (kN)\n1,DEAD,300\n1,SNOW,20\n1,E2-X,0\n");
        var text = Guess(f, "DEAD")!;
        text.Should().NotContain("[cases]  ", "a table may not stand twice").And.NotContain("DEAD = ").And.Contain("SNOW = \"S\"");
        Guess(f, "DEAD", "SNOW", "E2-X").Should().NotContain("proposed by their names");
    }

    [Fact]
    public void A_plate_without_a_shape_is_a_steel_column_and_that_is_said()
    {
        using var f = new RawFolder().With("plinth.toml", Project)
            .With("supports.csv",
                "support,x (m),y (m),cx (mm),cy (mm),plate-x (mm),plate-y (mm),angle\nC1,0,0,300,200,450,350,30\nC2,6,0,400,400,,,\n")
            .With("reactions.csv", "support,case,Fz (kN)\nC1,DEAD,300\nC2,DEAD,300\n");
        var bag = new DiagnosticBag();
        var loaded = ProjectReader.Read(f.Path, bag);
        loaded.Should().NotBeNull();
        bag.Sorted.Select(d => d.ToString())
            .Should().ContainSingle().Which.Should().Be(
                "supports.csv:2:16: warning: support \"C1\" has a base plate and no shape: taken as a steel column; write shape steel");
        loaded!.Project.Supports.Select(s => (s.Shape, s.AngleDegrees))
            .Should().Equal((Core.Foundations.ColumnShape.Steel, 30.0), (Core.Foundations.ColumnShape.Rectangular, 0.0));
    }

    private const string Project = """
        [project]
        name = "T"
        code = "aci318m-19"
        [loads]
        standard = "asce7-22"
        [cases]
        DEAD = "D"
        [ground]
        founding-depth = "1.5 m"
        bearing = "200 kPa"
        [concrete]
        strength = "30 MPa"
        [steel]
        yield = "420 MPa"

        """;

    [Fact]
    public void Plate_and_rods_of_a_steel_column_are_read_and_fall_through_to_a_foundation()
    {
        using var f = new RawFolder().With("plinth.toml",
            Project
                + "[column]\nplate-thickness = \"25 mm\"\nplate-grout = \"40 mm\"\nrods = 4\nrod-diameter = \"20 mm\"\n"
                + "rod-embedment = \"300 mm\"\n[[foundation]]\nsupports = [\"C1\"]\ncolumn.rods = 6\n"
                + "column.rod-edge = \"50 mm\"\n")
            .With("supports.csv",
                "support,x (m),y (m),shape,cx (mm),cy (mm),plate-x (mm),plate-y (mm)\nC1,0,0,steel,300,200,450,350\n"
                    + "C2,6,0,steel,300,200,450,350\n")
            .With("reactions.csv", "support,case,Fz (kN)\nC1,DEAD,300\nC2,DEAD,300\n");
        var bag = new DiagnosticBag();
        var loaded = ProjectReader.Read(f.Path, bag);
        bag.Sorted.Should().BeEmpty();
        loaded!.Project.Foundations.Select(x => x.Rules.Column.Plate).Should().Equal(
            new Core.Foundations.BasePlate(0.025, 0.040, 6, 0.020, 0.300, 0.050),
            new Core.Foundations.BasePlate(0.025, 0.040, 4, 0.020, 0.300, 0.040));
    }

    [Theory]
    [InlineData("[column]\nrods = 5\nrod-diameter = \"20 mm\"\nrod-embedment = \"300 mm\"\n", "rods = 5 cannot stand in two equal rows; "
        + "write an even number, for example rods = 4")]
    [InlineData("[column]\nrods = 4\nrod-embedment = \"300 mm\"\n", "rods are given without rod-diameter; write for example rod-diameter = "
        + "\"3/4 in\" or \"20 mm\"")]
    [InlineData("[column]\nrods = 4\nrod-diameter = \"20 mm\"\n", "rods are given without rod-embedment; write for example rod-embedment = "
        + "\"12 in\" or \"300 mm\"")]
    [InlineData("[column]\nplate-thickness = \"25 kN\"\n", "is a force, but a length is needed")]
    [InlineData("[drawings]\ndetails = \"S-201\"\n", "details = \"S-201\" would number every sheet alike; put {n} (1, 2 …), {nn} (01, 02 "
        + "…) or {mark} into it, for example details = \"S-2{nn}\"")]
    [InlineData("[drawings]\nnotes = \"missing.txt\"\n", "notes = \"missing.txt\": there is no such file")]
    [InlineData("[drawings]\nplans = \"S-101\"\n", "plans")]
    public void What_drawings_need_is_refused_where_it_makes_no_sense(string more, string message)
    {
        using var f = new RawFolder().With("plinth.toml", Project + more)
            .With("supports.csv", "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,300,200\n")
            .With("reactions.csv", "support,case,Fz (kN)\nC1,DEAD,300\n");
        var bag = new DiagnosticBag();
        ProjectReader.Read(f.Path, bag).Should().BeNull();
        bag.Sorted.Select(d => d.ToString()).Should().ContainSingle().Which.Should().StartWith("plinth.toml:").And.Contain(message);
    }

    [Fact]
    public void An_office_brings_its_own_notes_and_numbers()
    {
        using var f = new RawFolder();
        Directory.CreateDirectory(Path.Combine(f.Path, "office"));
        f.With("office/office.toml", "[drawings]\nplan = \"S-101\"\ndetails = \"S-2{nn}\"\nnotes = \"general.txt\"\n")
            .With("office/general.txt", "First note.\r\n\r\n  Second note.  \n")
            .With("plinth.toml", "extends = \"office/office.toml\"\n" + Project)
            .With("supports.csv", "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,300,200\n")
            .With("reactions.csv", "support,case,Fz (kN)\nC1,DEAD,300\n");
        var bag = new DiagnosticBag();
        var loaded = ProjectReader.Read(f.Path, bag)!;
        bag.Sorted.Should().BeEmpty();
        loaded.Project.Drawings.Notes.Should().Equal("First note.", "Second note.");
        (loaded.Project.Drawings.Plan, Core.Buildings.DrawingRules.Number(loaded.Project.Drawings.Details, 7, "F7")).Should().Be(("S-101",
            "S-207"));
        Core.Buildings.DrawingRules.Number("D-{mark}/{n}", 12, "F12").Should().Be("D-F12/12");
        loaded.Files.Select(Path.GetFileName).Should().Contain("general.txt", "it is frozen with an issue");
    }
}
