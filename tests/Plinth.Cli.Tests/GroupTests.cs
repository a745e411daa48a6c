namespace Plinth.Cli.Tests;

/// <summary>Few types for a building, through the built program.</summary>
public class GroupTests
{
    [Fact]
    public void The_cost_falls_with_the_number_of_types_and_a_choice_is_adopted()
    {
        using var f = new Folder();
        f.Run("group").Error.Should().Contain("nothing is sized yet; run: plinth size");
        f.Run("size");
        var choices = f.Run("group", "--format", "json").Json.GetProperty("choices").EnumerateArray().ToList();
        choices.Select(c => c.GetProperty("types").GetInt32()).Should().Equal(1, 2, 3);
        choices.Select(c => c.GetProperty("cost").GetDouble()).Should().BeInDescendingOrder();
        choices.Should().OnlyContain(c => c.GetProperty("proven").GetBoolean());
        var ran = f.Run("group", "--types", "2");
        ran.Exit.Should().Be(0, ran.Error);
        f["adopted.toml"].Should().Contain("alike = [[").And.MatchRegex(@"(?s)^# Sizes and bars in force[^\n]*\n");
        f.Run("check").Out.Should().Contain("2 foundations: 2 pass.");
        f.Run("schedule", "--format", "csv").Out.Split('\n').Count(l => l.StartsWith('F')).Should().Be(2);
        var text = f["adopted.toml"];
        f.Run("size").Error.Should().Contain("Nothing to write");
        f["adopted.toml"].Should().Be(text, "types are found, not hand edits, and pass");
        f.Run("group", "--types", "1").Exit.Should().Be(0);
        f.Run("group").Exit.Should().Be(0);
    }

    [Fact]
    public void Held_marks_and_described_ones_keep_their_design()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\nmark = \"F3\"\nsupports = [\"C3\"]\nwidth = \"2 m\"\n";
        f.Run("size");
        f.Run("set", "F1", "thickness=800 mm");
        var json = f.Run("group", "--format", "json").Json;
        json.GetProperty("kept").EnumerateArray().Select(m => m.GetString()).Should().Equal("F1", "F3");
        f.Run("group", "--types", "2").Error.Should().Contain("2 types are too few: 2 keep designs of their own (F1, F3)").And.Contain("write --types 3");
        var before = f["adopted.toml"];
        f.Run("group", "--types", "3").Error.Should().Contain("3 types written");
        f["adopted.toml"].Should().Be(before, "one is left, and it is its own best");
    }

    [Theory]
    [InlineData("office-frame", 1, 6)]
    [InlineData("workshop-frame", 0, 0)]
    public void A_real_building_is_built_with_five_types_and_with_three(string building, int exit, int edges)
    {
        // Bases held at the edge of the site keep their own type: so many types besides.
        using var f = edges > 0 ? Folder.OfficeOfSingles() : Folder.Building(building);
        f["plinth.toml"].Split('\n').Count(l => l.StartsWith("edge-x0", StringComparison.Ordinal)).Should().Be(edges);
        f.Run("size");
        var rows = f.Run("group", "--format", "json").Json.GetProperty("choices").EnumerateArray()
            .ToDictionary(c => c.GetProperty("types").GetInt32(), c => c.GetProperty("cost").GetDouble());
        rows[edges + 5].Should().BeLessThan(rows[edges + 3]);
        f.Run("group", "--types", $"{edges + 3}").Exit.Should().Be(exit);

        // What has a ground or combinations of its own in the project's file keeps its mark, and takes a type's design.
        var footings = f.Run("schedule", "--format", "json").Json.GetProperty("footings").EnumerateArray().ToList();
        footings.Select(r => string.Join(' ',
            new[] { "length_m", "width_m", "thickness_m", "bottom-x", "bottom-y", "top-x", "top-y",
                "dowels" }.Select(k => r.GetProperty(k).ToString()))).Distinct().Should().HaveCount(edges + 3);
        footings.Count.Should().BeInRange(edges + 3, edges + 5);
    }

    [Fact]
    public void Edge_bases_become_one_type_turned_and_stay_so()
    {
        // Three columns near the west line of the site and three near the east line.
        using var f = new Folder();
        f["plinth.toml"] = Folder.Toml
            + "[site]\nboundary = [[\"-0.6 m\", \"-9 m\"], [\"12.6 m\", \"-9 m\"], [\"12.6 m\", \"21 m\"], [\"-0.6 m\", \"21 m\"]]\n";
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nW1,0,0,400,400\nW2,0,6,400,400\nE1,12,0,400,400\nE2,12,6,400,400\n";
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\n"
            + string.Concat(new[] { ("W1", 150, 30), ("W2", 170, 34), ("E1", 160, -32),
                ("E2", 150,
                    -30) }.Select(s => $"{s.Item1},DEAD,0,0,{s.Item2},0,{-s.Item3}\n{s.Item1},LIVE,0,0,60,0,0\n{s.Item1},WX,1,0,0,0,2\n"));
        f.Run("size", "--all").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("shift-x = \"-").And.Contain("shift-x = \"");
        f.Run("group").Out.Should().Contain("4 of ").And.Contain("off-centre");
        var ran = f.Run("group", "--types", "1");
        ran.Exit.Should().Be(0, ran.Out + ran.Error);
        f["adopted.toml"].Should().Contain("turned = \"180 deg\"").And.Contain("alike = [");
        f.Run("check").Exit.Should().Be(0);
        f.Run("status").Exit.Should().Be(0);
        f.Run("size").Exit.Should().Be(0);
        f.Run("show", "F1").Out.Should().Contain("turned 180°");
        var places = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("places").EnumerateArray().ToList();
        places.Should().HaveCount(4);
        places.Count(p => p.TryGetProperty("turned_deg", out var t) && t.GetDouble() == 180).Should().Be(2);
        foreach (var p in places)
        {
            var (x, east) = (p.GetProperty("x_m").GetDouble(), p.GetProperty("supports")[0].GetString()![0] == 'E');
            (east ? 12 - x : x).Should().BeGreaterThan(0, "every base lies inwards of its column");
        }
    }

    [Theory]
    [InlineData("{ supports = [\"C2\"], turned = \"45 deg\" }", "quarter turns")]
    [InlineData("{ supports = [\"C2\"], turnd = \"90 deg\" }", "did you mean \"turned\"")]
    [InlineData("\"C2\"", "alike must be a list of places")]
    [InlineData("{ turned = \"90 deg\" }", "alike must be a list of places")]
    public void Wrong_places_are_refused(string place, string message)
    {
        using var f = new Folder();
        f["plinth.toml"] = Folder.Toml + $"[[foundation]]\nmark = \"F1\"\nalike = [[\"C1\"], {place}]\n";
        var ran = f.Run("size", "--all");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(message).And.Contain("plinth.toml:");
    }

    [Fact]
    public void Held_edges_are_mirrored_where_the_file_says_so()
    {
        using var f = new Folder();
        f["plinth.toml"] = Folder.Toml
            + "[[foundation]]\nmark = \"F1\"\nalike = [[\"C1\"], { supports = [\"C2\"], mirrored = true }]\n"
            + "edge-x0 = \"700 mm\"\nlength = \"2.6 m\"\n";
        f["reactions.csv"] = Folder.Reactions.Replace("C2,DEAD,0,0,640,4,0", "C2,DEAD,0,0,420,4,-40")
            .Replace("C1,DEAD,2,0,420,0,5", "C1,DEAD,2,0,420,0,40");
        var sized = f.Run("size", "--all");
        f["adopted.toml"].Should().Contain("alike = [[\"C1\"], { supports = [\"C2\"], mirrored = true }]", sized.Out + sized.Error);
        var places = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("places");
        places[0].GetProperty("x_m").GetDouble().Should().BeApproximately(0.6, 1e-9, "west edge 0.7 m from the column");
        places[1].GetProperty("x_m").GetDouble().Should().BeApproximately(6 - 0.6, 1e-9, "its mirror image");
        f["adopted.toml"] = f["adopted.toml"].Replace(", mirrored = true", ", turned = \"180 deg\"");
        f.Run("check").Error.Should().Contain("lies otherwise at C2");
    }
}
