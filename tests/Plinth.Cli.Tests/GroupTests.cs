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
        f.Run("group", "--types", "2").Error.Should().Contain("2 types are too few: 2 keep designs of their own (F1, F3)");
        var before = f["adopted.toml"];
        f.Run("group", "--types", "3").Error.Should().Contain("3 types written");
        f["adopted.toml"].Should().Be(before, "one is left, and it is its own best");
    }

    [Theory]
    [InlineData("office-frame", 1)]
    [InlineData("workshop-frame", 0)]
    public void A_real_building_is_built_with_five_types_and_with_three(string building, int exit)
    {
        using var f = Folder.Building(building);
        f.Run("size");
        var rows = f.Run("group", "--format", "json").Json.GetProperty("choices").EnumerateArray().ToDictionary(c => c.GetProperty("types").GetInt32(), c => c.GetProperty("cost").GetDouble());
        rows[5].Should().BeLessThan(rows[3]);
        f.Run("group", "--types", "3").Exit.Should().Be(exit);
        f.Run("schedule", "--format", "csv").Out.Split('\n').Count(l => l.StartsWith('F')).Should().Be(3);
    }
}
