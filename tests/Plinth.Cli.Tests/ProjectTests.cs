using System.Text.Json;

namespace Plinth.Cli.Tests;

/// <summary>What plinth.toml can say of a project, through the built program.</summary>
public class ProjectTests
{
    private static JsonElement Foundation(Folder f, string mark) =>
        f.Run("check", mark, "--format", "json").Json.GetProperty("foundations")[0];

    private static JsonElement Check(JsonElement foundation, string id) =>
        foundation.GetProperty("checks").EnumerateArray().First(c => c.GetProperty("id").GetString() == id);

    [Fact]
    public void A_named_ground_serves_the_supports_that_name_it()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[grounds.soft]\nbearing = \"110 kPa\"\n";
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm),ground\nC1,0,0,400,400,\nC2,6,0,400,400,soft\nC3,12,0,400,500,\n";
        f.Run("size").Exit.Should().Be(0);
        Check(Foundation(f, "F2"), "bearing").GetProperty("capacity").GetDouble().Should().BeApproximately(110, 1e-9);
        Check(Foundation(f, "F1"), "bearing").GetProperty("capacity").GetDouble().Should().BeApproximately(200, 1e-9);
        f.Run("show", "F2").Out.Should().Contain("below the ground soft");
    }

    [Fact]
    public void Alike_places_share_one_mark_and_are_checked_one_by_one()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\nalike = [[\"C1\"], [\"C3\"]]\n";
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("alike = [[\"C1\"], [\"C3\"]]");
        var alike = Foundation(f, "F1");
        alike.GetProperty("places").GetArrayLength().Should().Be(2);
        alike.GetProperty("checks").EnumerateArray()
            .Where(c => c.GetProperty("id").GetString() == "bearing")
            .Select(c => c.GetProperty("place").GetString())
            .Should().Equal("C1", "C3");
        f.Run("schedule", "--format", "csv").Out.Should().Contain("F1,\"C1, C3\",2,");
        f.Run("show", "F1", "bearing", "--place", "C3").Out.Should().Contain("bearing at C3");
    }

    [Fact]
    public void What_a_foundation_states_is_held_and_rules_may_be_overridden()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[[foundation]]\nmark = \"PAD-1\"\nsupports = [\"C2\"]\nwidth = \"1.8 m\"\nedge-x0 = \"0.8 m\"\n"
            + "edge-x1 = \"1.6 m\"\nthickness = \"800 mm\"\nconcrete.strength = \"40 MPa\"\n"
            + "stability.contact = 0.3\nstability.contact-transient = 0.3\nground.bearing = \"600 kPa\"\n"
            + "steel.bars = [\"T25\"]\n";
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error);
        var pad = Foundation(f, "PAD-1");
        pad.GetProperty("width_m").GetDouble().Should().Be(1.8);
        pad.GetProperty("length_m").GetDouble().Should().BeApproximately(2.4, 1e-12, "the sum of both held edges");
        pad.GetProperty("thickness_m").GetDouble().Should().Be(0.8);
        pad.GetProperty("bars").GetProperty("bottom-x").GetString().Should().Contain("T25");
        pad.GetProperty("places")[0].GetProperty("x_m").GetDouble()
            .Should().BeApproximately(6.4, 1e-12, "the base's centre lies 0.4 m beyond the column");
        f.Run("show", "PAD-1", "two-way-shear").Out.Should().Contain("√(40)").And.Contain("section open to the −x and −y edges");
    }

    [Fact]
    public void Own_combinations_stand_beside_the_standard()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[[combination]]\nname = \"flood\"\nfor = [\"ground\", \"stability\"]\n"
            + "factors = { D = 0.6, WX = 1.0 }\nleast = 1.1\n";
        var flood = f.Run("combos", "--format", "json").Json.GetProperty("combinations").EnumerateArray()
            .Single(c => c.GetProperty("name").GetString() == "flood");
        flood.GetProperty("factors").GetProperty("DEAD").GetDouble().Should().Be(0.6);
        flood.GetProperty("weights").GetDouble().Should().Be(0.6);
        flood.GetProperty("clause").ValueKind.Should().Be(JsonValueKind.Null);
        f.Replace("plinth.toml", "factors = { D = 0.6, WX = 1.0 }", "factors = { WX = 1.0 }");
        f.Run("combos").Error.Should().Contain("must say what the weights of base and soil take");
    }

    [Fact]
    public void A_surcharge_presses_but_never_helps()
    {
        using var f = new Folder();
        f.Run("size");
        var before = Foundation(f, "F1");
        f.Replace("plinth.toml", "bearing = \"200 kPa\"", "bearing = \"200 kPa\"\nsurcharge = \"10 kPa\"");
        var after = Foundation(f, "F1");
        Check(after, "bearing").GetProperty("demand").GetDouble()
            .Should().BeGreaterThan(Check(before, "bearing").GetProperty("demand").GetDouble() + 7,
                "three quarters of it at least, by the combination that governs");
        foreach (var id in new[] { "sliding", "overturning-x", "contact" })
        {
            Check(after, id).GetProperty("utilisation").GetDouble()
                .Should().BeApproximately(Check(before, id).GetProperty("utilisation").GetDouble(), 1e-9, id);
        }
    }

    [Fact]
    public void Turned_columns_turn_their_base_and_its_actions()
    {
        using var f = new Folder();
        f.Run("size");
        var straight = Foundation(f, "F2");
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm),angle (deg)\nC1,0,0,400,400,0\nC2,6,0,400,400,90\nC3,12,0,400,500,0\n";
        var turned = Foundation(f, "F2");
        turned.GetProperty("places")[0].GetProperty("angle_deg").GetDouble().Should().Be(90);
        Check(turned, "overturning-y").GetProperty("demand").GetDouble()
            .Should().BeApproximately(Check(straight, "overturning-x").GetProperty("demand").GetDouble(), 1e-9);
        Check(turned, "bearing").GetProperty("demand").GetDouble()
            .Should().BeApproximately(Check(straight, "bearing").GetProperty("demand").GetDouble(), 1e-9);
    }

    [Fact]
    public void Columns_are_taken_in_any_order_and_unit()
    {
        using var f = new Folder();
        f.Run("size");
        var expected = f.Run("check", "--format", "json").Out;
        var rows = f["reactions.csv"].Split('\n', StringSplitOptions.RemoveEmptyEntries).Skip(1).Select(l => l.Split(','));
        f["reactions.csv"] = "My (N m),case,Mx (N-mm),Fz (N),support,Fy (kN),Fx (MN)\n"
            + string.Concat(
                rows.Select(
                    r =>
                        FormattableString.Invariant(
                            $"{Number(r[6]) * 1000},{r[1]},{Number(r[5]) * 1e6},{Number(r[4]) * 1000},{r[0]},{r[3]},{Number(r[2]) / 1000}\n")));
        var again = f.Run("check", "--format", "json").Json.GetProperty("foundations");
        var first = JsonDocument.Parse(expected).RootElement.GetProperty("foundations");
        for (var i = 0; i < 3; i++)
        {
            again[i].GetProperty("utilisation").GetDouble().Should().BeApproximately(first[i].GetProperty("utilisation").GetDouble(), 1e-9);
        }
    }

    private static double Number(string text) => double.Parse(text, System.Globalization.CultureInfo.InvariantCulture);

    [Fact]
    public void Warnings_go_to_standard_error_and_into_the_json()
    {
        using var f = new Folder();
        f.Run("size");
        f["reactions.csv"] = string.Join('\n', f["reactions.csv"].Split('\n').Where(l => !l.StartsWith("C2,WX", StringComparison.Ordinal)));
        var ran = f.Run("check", "--format", "json");
        ran.Error.Should().Contain("supports.csv:3:1: warning: support \"C2\" has no row for WX, which others have: taken as zero");
        ran.Json.GetProperty("warnings")[0].GetString().Should().Contain("C2");
        f.Run("check", "--quiet").Error.Should().BeEmpty();
    }

    [Fact]
    public void A_project_is_found_from_a_folder_within_it()
    {
        using var f = new Folder();
        f.Run("size");
        var inner = Directory.CreateDirectory(Path.Combine(f.Path, "out/deep")).FullName;
        Program.Run(inner, "check").Exit.Should().Be(0);
    }
}
