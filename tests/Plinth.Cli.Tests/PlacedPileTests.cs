using System.Globalization;

namespace Plinth.Cli.Tests;

/// <summary>
/// Caps whose piles stand at places of their own, or carry what the ground's layers hold; caps made alike; both editions side by side.
/// </summary>
public class PlacedPileTests
{
    private const string Head = """
        [project]
        name = "Caps"
        code = "aci318m-19"
        [loads]
        standard = "asce7-16"
        [cases]
        DEAD = "D"
        WX = "W"
        [concrete]
        strength = "30 MPa"
        [steel]
        yield = "420 MPa"
        [ground]
        founding-depth = "1.5 m"
        bearing = "200 kPa"

        """;

    private const string Piles = "[piles]\nsize = \"450 mm\"\ncompression = \"650 kN\"\ntension = \"100 kN\"\nlateral = \"45 kN\"\n";

    private const string Layers = """
        water-depth = "3 m"
        [[ground.layer]]
        name = "made ground"
        thickness = "2 m"
        [[ground.layer]]
        name = "soft clay"
        thickness = "6 m"
        undrained = "40 kPa"
        adhesion-factor = 0.5
        [[ground.layer]]
        name = "sand"
        shaft-factor = 0.3
        shaft-limit = "40 kPa"
        base = "3 MPa"
        [piles]
        size = "450 mm"
        lateral = "45 kN"

        """;

    private const string Each = "[[foundation]]\nkind = \"pile-cap\"\neach = [\"C*\"]\n";

    private const string Own =
        "piles.at = [[\"1.2 m\", \"0.9 m\"], [\"-1.2 m\", \"1 m\"], [\"-1.1 m\", \"-1.2 m\"], [\"1.1 m\", \"-1 m\"]]\n";

    private static Folder Given(string toml, params double[] dead)
    {
        var f = new Folder();
        f["plinth.toml"] = Head + toml;
        double[] all = dead.Length == 0 ? [900] : dead;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\n"
            + string.Concat(all.Select((_, i) => string.Create(CultureInfo.InvariantCulture, $"C{i + 1},{8 * i},0,500,500\n")));
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\n"
            + string.Concat(
                all.Select((d, i) => string.Create(CultureInfo.InvariantCulture,
                    $"C{i + 1},DEAD,4,-3,{d},10,20\nC{i + 1},WX,6,2,50,8,20\n")));
        return f;
    }

    [Fact]
    public void Own_places_are_kept_from_plinth_toml_to_the_schedule()
    {
        using var f = Given(Piles + Each + Own);
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"]
            .Should().Contain("piles.at = [[\"1200 mm\", \"900 mm\"]").And.NotContain("layout =").And.NotContain(
                "spacing =").And.NotContain("offset-x");
        f.Run("size").Out.Should().Contain("kept");
        f.Run("schedule", "--what", "piles", "--format", "csv").Out.Should().Contain("PC1/1,-1.1,-1.2,").And.Contain("PC1/4,-1.2,1,");
        var cap = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0];
        cap.GetProperty("piles").EnumerateArray()
            .Select(p => (p.GetProperty("x_m").GetDouble(), p.GetProperty("y_m").GetDouble()))
            .Should().BeEquivalentTo([(-1.1, -1.2), (1.1, -1.0), (1.2, 0.9), (-1.2, 1.0)]);
        var row = f.Run("schedule", "--what", "pile caps").Out.Split('\n').Single(l => l.StartsWith("PC1 ", StringComparison.Ordinal));
        row.Should().Contain(" own ").And.Contain(" 3.150 ").And.MatchRegex("— +\\d+\\.\\d{3} +\\d+\\.\\d *$",
            "no column is lost, concrete and steel stand last");

        // What plinth.toml holds and what adopted.toml has are held together.
        f["plinth.toml"] = f["plinth.toml"].Replace("\"-1.1 m\", \"-1.2 m\"", "\"-1.3 m\", \"-1.2 m\"", StringComparison.Ordinal);
        (f.Run("check").Out + f.Run("check").Error).Should().Contain("piles.at");
        f.Run("size", "--over").Exit.Should().Be(0);
        f.Run("schedule", "--what", "piles", "--format", "csv").Out.Should().Contain("PC1/1,-1.3,-1.2,");
    }

    [Theory]
    [InlineData("piles.at = [[\"1 m\", \"1 m\"], [\"-1 m\", \"0 m\"], [\"1 m\", \"1 m\"]]\n", "places 1 and 3 of at are one")]
    [InlineData(Own + "layout = \"4\"\n", "layout and piles.at (plinth.toml:24:12) are both given")]
    [InlineData(Own + "offset-x = \"100 mm\"\n", "offset-x and piles.at")]
    [InlineData(Own + "spacing = \"2 m\"\n", "spacing and piles.at")]
    [InlineData(Own + "piles.count = 5\n", "has 4 places; make the two agree")]
    [InlineData(Own + "piles.group = \"converse-labarre\"\n", "has no rows by which")]
    [InlineData("layout = \"4\"\npiles.count = 6\n", "layout \"4\" has 4 piles, and piles.count (plinth.toml:25:15) holds another number")]
    [InlineData("piles.at = [[\"1 m\"]]\n", "is a list of at least 1 points")]
    public void Own_places_that_cannot_be_are_refused_with_both_places(string keys, string message)
    {
        using var f = Given(Piles + Each + keys);
        var run = f.Run("size");
        run.Exit.Should().Be(2);
        run.Error.Should().Contain(message).And.Contain("plinth.toml:");
        f.Has("adopted.toml").Should().BeFalse();
    }

    [Fact]
    public void Own_places_outside_a_cap_too_near_or_beside_a_layout_are_told()
    {
        using var f = Given(Piles + Each + Own);
        f.Run("size").Exit.Should().Be(0);
        var sized = f["adopted.toml"];
        f["adopted.toml"] = sized.Replace("width = ", "width = \"2000 mm\" # ", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("piles stand beyond the cap along y").And.Contain("or move the piles");
        f["adopted.toml"] = sized.Replace("length = ", "layout = \"4\"\nlength = ", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("layout and piles.at are both given; keep one");
        f["adopted.toml"] = sized;
        f.Run("set", "PC1", "layout=4").Error.Should().Contain("places of their own are changed in plinth.toml or adopted.toml");

        f["plinth.toml"] = f["plinth.toml"]
            .Replace(Own, "piles.at = [[\"1 m\", \"0.5 m\"], [\"-1 m\", \"0.5 m\"], [\"0 m\", \"-0.2 m\"], [\"0 m\", \"1.6 m\"]]\n",
                StringComparison.Ordinal);
        var run = f.Run("size", "--over");
        run.Exit.Should().Be(1);
        run.Error.Should().Contain("pile spacing").And.Contain("the places of piles.at");
    }

    // 5 piles: 15.5 m reach 15.525 + 1.5 m below the ground, where the layers hold 463 kN; the hand's numbers stand with PileCapacityTests.
    [Fact]
    public void The_length_of_piles_is_found_from_the_layers()
    {
        using var f = Given(Layers + Each);
        f.Run("size").Exit.Should().Be(0);
        var length = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("piles_length_m").GetDouble();
        (length * 2).Should().Be(Math.Round(length * 2), "steps of half a metre");
        var trace = f.Run("show", "PC1", "pile-compression").Out;
        trace.Should().Contain("soft clay").And.Contain("sand").And.Contain("α").And.Contain("no more than 40").And.Contain(
            "Rc").And.Contain("made ground: none counts");
        f.Run("show", "PC1").Out.Should().Contain("found from the ground's layers").And.Contain("group as a block");

        // Half a metre less does not do, with all else as it is.
        f.Run("set", "PC1",
            string.Create(CultureInfo.InvariantCulture, $"piles.length={length - 0.5} m")).Out.Should().Contain("FAIL").And.Contain(
                "pile compression");
        f.Run("set", "PC1", "piles.length=50 mm").Error.Should().Contain("end above its underside");
    }

    // A shaft that is too short for its bending to be checked is not found for that: T = (25743·10³·2.0129e-3/5000)^⅕ = 1.596 m, 4T = 6.39
    // m.
    [Fact]
    public void A_length_that_is_found_leaves_no_shaft_unchecked()
    {
        var strong = Layers.Replace("\"40 kPa\"\nadhesion", "\"400 kPa\"\nadhesion", StringComparison.Ordinal);
        using var f = Given(strong + Each, 700);
        f.Run("size").Exit.Should().Be(0);
        Length(f).Should().BeLessThan(6);
        f["plinth.toml"] = f["plinth.toml"]
            .Replace("lateral = ",
                "strength = \"30 MPa\"\nbars = \"8 T20\"\nties = \"T10 @ 200 mm\"\nmodulus-rise = \"5 MN/m3\"\nlateral = ",
                StringComparison.Ordinal);
        File.Delete(System.IO.Path.Combine(f.Path, "adopted.toml"));
        f.Run("size").Exit.Should().Be(0);
        Length(f).Should().Be(6.5);
        f.Run("show", "PC1").Out.Should().Contain("pile bending").And.NotContain("the bending of the shafts is not checked");

        static double Length(Folder f) =>
            f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("piles_length_m").GetDouble();
    }

    [Theory]
    [InlineData("adhesion-factor = 0.5\n", "", "adhesion-factor")]
    [InlineData("undrained = \"40 kPa\"\n", "", "undrained")]
    [InlineData("undrained = \"40 kPa\"\n", "undrained = \"40 kPa\"\nbase = \"1 MPa\"\n", "leave out shaft-factor and base")]
    [InlineData("adhesion-factor = 0.5\n", "adhesion-factor = 1.5\n", "at most 1")]
    [InlineData("shaft-factor = 0.3\n", "", "shaft-factor")]
    [InlineData("lateral = \"45 kN\"\n", "safety = 0\n", "safety")]
    public void What_is_wrong_with_a_layer_that_holds_piles_is_told(string from, string to, string message)
    {
        using var f = Given(Layers.Replace(from, to, StringComparison.Ordinal) + Each);
        var run = f.Run("size");
        run.Exit.Should().Be(2);
        run.Error.Should().Contain(message).And.Contain("plinth.toml:");
    }

    [Fact]
    public void Layers_that_end_above_the_toes_carry_none()
    {
        using var f =
            Given(Layers.Replace("[[ground.layer]]\nname = \"sand\"\nshaft-factor = 0.3\nshaft-limit = \"40 kPa\"\nbase = \"3 MPa\"\n", "",
                StringComparison.Ordinal).Replace("lateral", "length = \"14 m\"\nlateral", StringComparison.Ordinal) + Each);
        var run = f.Run("size");
        run.Exit.Should().Be(1);
        run.Error.Should().Contain("its layers are stated to 8.00 m").And.Contain("state the layer below");
    }

    [Fact]
    public void Caps_are_made_alike_and_the_types_pass()
    {
        using var f = Given(Piles + Each, 900, 1000, 1100, 1800, 1900, 1500);
        f.Run("size").Exit.Should().Be(0);
        Types(f).Should().HaveCountGreaterThan(2);
        f.Run("group", "--types", "2").Exit.Should().Be(0);
        var check = f.Run("check", "--format", "json");
        check.Exit.Should().Be(0);
        Types(f).Should().HaveCount(2);
        f.Run("schedule", "--what", "piles").Out.Should().Contain("PC4/4").And.NotContain("PC1/4");
    }

    [Fact]
    public void Bars_of_piles_and_sides_are_scheduled_and_drawn()
    {
        using var f = Given(Piles
            + "length = \"14 m\"\nstrength = \"30 MPa\"\nbars = \"8 T20\"\nties = \"T10 @ 200 mm\"\nmodulus-rise = \"5 MN/m3\"\n" + Each
            + "layout = \"4\"\nthickness = \"700 mm\"\nsides = \"T12 @ 200 mm\"\n");
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("sides = \"T12 @ 200 mm\"");
        var rows = f.Run("schedule", "--what", "bars", "--format", "csv").Out.Split('\n').Select(l => l.Split(',')).ToList();

        // 14 m less 75 mm at the toe, and the development length of T20 in concrete of 30 MPa, 420·20/(1.1·√30·2.5) = 558 mm, cut up to
        // 560; it may be no more than 700 − 75 − 50 mm.
        var piles = rows.Single(r => r.Length > 4 && r[2] == "piles");
        piles[5].Should().Be("32");
        double.Parse(piles[7], CultureInfo.InvariantCulture).Should().Be(14485);

        // From 75 mm under the head to 75 mm over the toe: 13.85 m at 200 mm, one more than 70 gaps.
        rows.Single(r => r.Length > 4 && r[2] == "ties of piles")[5].Should().Be("284");

        // Between 75 mm and the top cover 569 mm: three gaps, bars at their upper ends on each side.
        rows.Where(r => r.Length > 4 && r[2].StartsWith("sides along", StringComparison.Ordinal))
            .Select(r => r[5])
            .Should().Equal("6", "6");
        var steel = rows.Where(r => r.Length > 4 && r[0] == "PC1" && !r[2].Contains("piles", StringComparison.Ordinal))
            .Sum(r => double.Parse(r[^1], CultureInfo.InvariantCulture));
        f.Run("schedule", "--format", "json").Json.GetProperty("footings")[0].GetProperty("steel_kg").GetDouble()
            .Should().BeApproximately(steel, 0.5, "the steel of a cap is without that of its piles");
        foreach (var what in (string[])["detail", "struts", "shaft"])
        {
            f.Run("draw", "PC1", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
        }

        f["detail.svg"].Should().Contain("32 T20-").And.Contain("284 T10-").And.Contain("6 T12-");
        var strut = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .First(c => c.GetProperty("id").GetString() == "strut");
        f["struts.svg"]
            .Should().Contain(strut.GetProperty("demand").GetDouble().ToString("0.0", CultureInfo.InvariantCulture)).And.Contain("φFns");
        f["shaft.svg"].Should().Contain("shaft of a pile, force with moments").And.Contain("on pile");
    }

    private static HashSet<string> Types(Folder f) =>
        [.. f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .Select(c => string.Join(' ', new[] { "layout", "thickness_m" }.Select(k => c.GetProperty(k).ToString())))];

    // One cap by both editions, in metres and in feet: what the editions share is the same, the depth's effect on shear is the later one's.
    [Fact]
    public void Both_editions_and_both_systems_of_units_find_alike()
    {
        Dictionary<string, double> Utilisations(string code)
        {
            using var f = Given(Piles + Each);
            f["plinth.toml"] = f["plinth.toml"].Replace("aci318m-19", code, StringComparison.Ordinal)
                .Replace("[concrete]",
                    "[concrete]\ncover-bottom = \"75 mm\"\ncover-side = \"75 mm\"\ncover-top = \"50 mm\"\n"
                        + "weight = \"24 kN/m3\"\nblinding = \"50 mm\"", StringComparison.Ordinal)
                .Replace("[piles]", "[piles]\nedge = \"150 mm\"\nembedment = \"75 mm\"\ndeviation = \"75 mm\"", StringComparison.Ordinal)
                .Replace("[ground]", "[ground]\nsoil-weight = \"18 kN/m3\"", StringComparison.Ordinal);
            f["adopted.toml"] = """
                [PC1]
                kind = "pile-cap"
                supports = ["C1"]
                layout = "4"
                spacing = "1500 mm"
                length = "2400 mm"
                width = "2400 mm"
                thickness = "600 mm"
                bottom-x = "16 #6"
                bottom-y = "16 #6"
                """;
            return f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
                .ToDictionary(c => c.GetProperty("id").GetString()!, c => c.GetProperty("utilisation").GetDouble());
        }

        var (old, late, oldFeet, lateFeet) = (Utilisations("aci318m-14"), Utilisations("aci318m-19"), Utilisations("aci318-14"),
            Utilisations("aci318-19"));
        foreach (var id in (string[])["pile-compression", "pile-lateral", "pile-spacing"])
        {
            old[id].Should().BeApproximately(late[id], 1e-9, id);
            oldFeet[id].Should().BeApproximately(late[id], 1e-9, id);
            lateFeet[id].Should().BeApproximately(late[id], 1e-9, id);
        }

        // λs of the mean d, between 0.8 and 1 here; metric coefficients are the others rounded to two digits.
        (old["pile-punching"] / late["pile-punching"]).Should().BeInRange(0.75, 0.99);
        (old["two-way-shear"] / late["two-way-shear"]).Should().BeInRange(0.75, 0.99);
        foreach (var id in (string[])["pile-punching", "two-way-shear", "flexure-bottom-x", "one-way-shear-x", "one-way-shear-y"])
        {
            oldFeet[id].Should().BeApproximately(old[id], 0.025 * old[id], id);
            lateFeet[id].Should().BeApproximately(late[id], 0.025 * late[id], id);
        }
    }
}
