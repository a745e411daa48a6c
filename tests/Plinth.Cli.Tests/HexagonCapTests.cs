using System.Globalization;

namespace Plinth.Cli.Tests;

/// <summary>
/// Caps on three piles that are a triangle with its corners cut, through the program: how they are stated, changed, scheduled and drawn.
/// </summary>
public class HexagonCapTests
{
    private const string Toml = """
        [project]
        name = "Caps"
        code = "aci318m-19"
        [loads]
        standard = "asce7-16"
        [cases]
        DEAD = "D"
        LIVE = "L"
        [ground]
        founding-depth = "1.5 m"
        bearing = "200 kPa"
        [concrete]
        strength = "30 MPa"
        [steel]
        yield = "420 MPa"
        [piles]
        size = "450 mm"
        layouts = ["3"]
        compression = "1300 kN"
        tension = "120 kN"
        lateral = "45 kN"
        [[foundation]]
        kind = "pile-cap"
        each = ["C*"]

        """;

    private static Folder Given(string more = "")
    {
        var f = new Folder();
        f["plinth.toml"] = Toml + more;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,3,2,500,500\n";
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\nC1,DEAD,10,5,1200,20,30\nC1,LIVE,5,2,600,10,10\n";
        return f;
    }

    [Fact]
    public void It_is_found_where_it_takes_less_concrete_and_kept_by_its_distance_to_the_edges()
    {
        using var f = Given();
        f.Run("size").Out.Should().Contain(" hexagon, 3 piles");
        f["adopted.toml"].Should().Contain("to-edge = \"375 mm\"").And.NotContain("length =").And.NotContain("width =");
        var cap = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0];
        cap.GetProperty("passes").GetBoolean().Should().BeTrue();
        f.Run("size").Out.Should().Contain("kept");

        // A rectangle where that is asked for: it takes more.
        double Concrete() => f.Run("schedule", "--format", "json").Json.GetProperty("footings")[0].GetProperty("concrete_m3").GetDouble();
        var own = Concrete();
        f["plinth.toml"] = Toml.Replace("lateral = \"45 kN\"", "lateral = \"45 kN\"\noutline = \"rectangle\"", StringComparison.Ordinal);
        f["adopted.toml"] = "";
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("length =").And.NotContain("to-edge");
        Concrete().Should().BeGreaterThan(own);
    }

    [Fact]
    public void It_is_changed_by_hand_and_its_sides_follow()
    {
        using var f = Given();
        f.Run("size");
        var run = f.Run("set", "C1", "to-edge=450 mm");
        run.Exit.Should().BeLessThan(2, run.Error);
        f["adopted.toml"].Should().Contain("to-edge = \"450 mm\"");

        // 1.35 + 4·0.45/√3 by 1.35·√3/2 + 2·0.45.
        run.Out.Should().Contain("2.39 × 2.07 hexagon");
        f.Run("set", "C1", "spacing=1500 mm").Exit.Should().BeLessThan(2);
        f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("piles").EnumerateArray()
            .Select(p => Math.Round(p.GetProperty("y_m").GetDouble(), 3))
            .Should().Equal(1.567, 1.567, 2.866);
        f.Run("set", "C1",
            "length=2400 mm").Error.Should().Contain(
                "length goes by to-edge here; set that, or take to-edge out of the table in adopted.toml");
        f.Run("set", "C1", "to-edge=200 mm").Error.Should().Contain("the piles stand beyond the cap; make to-edge at least 375 mm");
        var hexagon = f["adopted.toml"];
        f.Run("set", "C1", "layout=4").Out.Should().Contain("2.54 × 2.20, 4 piles", "with another layout it is the rectangle round it");
        f["adopted.toml"] = hexagon;
        f.Run("set", "C1", "layout=4", "length=2400 mm", "width=2400 mm").Out.Should().Contain("2.40 × 2.40, 4 piles");
        f["adopted.toml"].Should().NotContain("to-edge").And.Contain("length = \"2400 mm\"");
        f.Run("check").Error.Should().NotContain("error");
        f["adopted.toml"] = hexagon.Replace("layout = \"3\"", "layout = \"4\"", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("to-edge is of caps on three piles at a triangle").And.Contain("adopted.toml:");
        f["adopted.toml"] = hexagon;
        f["adopted.toml"] = f["adopted.toml"]
            .Replace("to-edge = \"450 mm\"", "to-edge = \"450 mm\"\nlength = \"2 m\"", StringComparison.Ordinal);
        f.Run("check").Error.Should().Contain("length and to-edge are both given; keep one").And.Contain("adopted.toml:");
    }

    [Fact]
    public void A_column_near_a_cut_corner_stands_beyond_it()
    {
        using var f = Given();
        f.Run("size").Exit.Should().Be(0);
        var run = f.Run("set", "C1", "offset-x=0.6 m", "offset-y=0.3 m");
        run.Exit.Should().Be(2);
        run.Error.Should().Contain("the column of C1 stands beyond the cap");
    }

    [Fact]
    public void Its_bars_are_cut_to_the_outline_and_all_of_it_is_drawn()
    {
        using var f = Given("sides = \"T12 @ 200 mm\"\n");
        f.Run("size").Exit.Should().Be(0);
        var adopted = f["adopted.toml"];
        var rows = f.Run("schedule", "--what", "bars", "--format", "csv").Out.Split('\n')
            .Select(l => l.Split(','))
            .Where(r => r.Length > 7 && r[0] == "PC1")
            .ToList();
        var bottom = rows.Where(r => r[2].StartsWith("bottom along x", StringComparison.Ordinal)).ToList();
        bottom.Should().HaveCountGreaterThan(5);
        adopted.Should().Contain(string.Create(CultureInfo.InvariantCulture,
            $"bottom-x = \"{bottom.Sum(r => int.Parse(r[5], CultureInfo.InvariantCulture))} "));

        // None longer than the cap at its widest less the covers, in steps of 50 mm, the longest first.
        var lengths = bottom.Select(r => double.Parse(r[7], CultureInfo.InvariantCulture)).ToList();
        lengths.Should().BeInDescendingOrder().And.OnlyContain(l => l % 50 == 0 && l <= 2216 - 150);
        rows.Where(r => r[2].StartsWith("sides", StringComparison.Ordinal))
            .Select(r => r[2])
            .Should().Equal("sides along the sides", "sides at the corners");
        foreach (var what in (string[])["detail", "bars", "piles", "struts", "sections"])
        {
            f.Run("draw", "PC1", "--what", what, "--to", what + ".svg").Exit.Should().Be(0, what);
        }

        f["detail.svg"].Should().Contain("All edges 375 mm off their centres").And.Contain("pile head");
        f.Run("draw", "--what", "plan", "--to", "plan.svg").Exit.Should().Be(0);
        f.Run("report", "--to", "report.html").Exit.Should().Be(0);
        f["report.html"].Should().Contain("a hexagon");
        f.Run("schedule", "--what", "pile caps").Out.Should().Contain("Hexagon: a triangle with its corners cut");
    }

    [Fact]
    public void It_is_found_alike_in_inches_and_pounds()
    {
        using var metric = Given("piles.outline = \"hexagon\"\n");
        metric.Run("size").Exit.Should().Be(0);
        using var us = Given("piles.outline = \"hexagon\"\n");
        us["plinth.toml"] = us["plinth.toml"].Replace("aci318m-19", "aci318-19", StringComparison.Ordinal);
        us.Run("size").Exit.Should().Be(0);
        us["adopted.toml"].Should().Contain("to-edge = \"15");
        double Of(Folder f, string id) =>
            f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
                .First(c => c.GetProperty("id").GetString() == id)
                .GetProperty("demand")
                .GetDouble();
        Of(us, "pile-compression").Should().BeApproximately(Of(metric, "pile-compression"), 0.08 * Of(metric, "pile-compression"));
    }

    // One type for three columns: each keeps its mark, all have one design.
    [Fact]
    public void Caps_on_three_piles_are_made_alike()
    {
        using var f = Given();
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,500,500\nC2,8,0,500,500\nC3,16,0,500,500\n";
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\n"
            + string.Concat(Enumerable.Range(1, 3).Select(i => $"C{i},DEAD,10,5,{300 + (300 * i)},20,30\nC{i},LIVE,5,2,500,10,10\n"));
        f.Run("size").Exit.Should().Be(0);
        f.Run("group").Out.Should().Contain("3 of ").And.Contain(" hexagon, 3 piles (PC1, PC2, PC3)");
        f.Run("group", "--types", "1").Exit.Should().Be(0);
        string[] Values(string key) => [.. f["adopted.toml"].Split('\n').Where(l => l.StartsWith(key, StringComparison.Ordinal))];
        foreach (var key in (string[])["to-edge", "thickness", "bottom-x", "bottom-y"])
        {
            Values(key).Should().HaveCount(3);
            Values(key).Distinct().Should().ContainSingle(key);
        }

        var check = f.Run("check", "--format", "json");
        check.Exit.Should().Be(0);
        check.Json.GetProperty("foundations").GetArrayLength().Should().Be(3);
        f.Run("schedule", "--what", "piles", "--format", "csv").Out.Split('\n')
            .Count(l => l.StartsWith("PC", StringComparison.Ordinal))
            .Should().Be(9);
    }

    // Setting-out coordinates are those of the drawing: the piles' centres and the corners of the outline, turned with the cap.
    [Fact]
    public void A_turned_cap_is_set_out_where_it_is_drawn()
    {
        using var f = Given("layout = \"3\"\nturned = \"90 deg\"\npiles.outline = \"hexagon\"\n");
        f.Run("size").Exit.Should().Be(0);
        var piles = f.Run("schedule", "--what", "piles", "--format", "csv").Out.Split('\n')
            .Where(l => l.StartsWith("PC1/", StringComparison.Ordinal))
            .Select(l => l.Split(','))
            .Select(r => (X: Number(r[1]), Y: Number(r[2])))
            .ToList();

        // A quarter turn takes the pile at +y to −x, from the column at (3, 2).
        piles.Should().HaveCount(3).And.Contain(p => Math.Abs(p.X - (3 - (1.35 / Math.Sqrt(3)))) < 1e-3 && Math.Abs(p.Y - 2) < 1e-3);
        f.Run("draw", "--what", "plan", "--to", "plan.dxf").Exit.Should().Be(0);
        var dxf = f["plan.dxf"].Split('\n').Select(l => l.Trim()).ToArray();
        var circles = dxf.Index().Where(l => l.Item == "CIRCLE").Select(l => At(dxf, l.Index)).ToList();
        var origin = circles.Count > 0 ? circles : throw new InvalidOperationException("no circles");
        foreach (var (a, b) in piles.Zip(piles.Skip(1)))
        {
            // Distances agree whatever the sheet's origin.
            origin.Any(
                c => origin.Any(d => Math.Abs((d.X - c.X) - (1000 * (b.X - a.X))) < 1 && Math.Abs((d.Y - c.Y) - (1000 * (b.Y - a.Y))) < 1))
                .Should().BeTrue();
        }

        static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
        static (double X, double Y) At(string[] dxf, int from)
        {
            var x = Array.IndexOf(dxf, "10", from);
            var y = Array.IndexOf(dxf, "20", x);
            return (Number(dxf[x + 1]), Number(dxf[y + 1]));
        }
    }

    // However narrow the screen, no heading is broken within a word.
    [Fact]
    public void Wide_tables_break_no_word()
    {
        using var f = Given("sides = \"T12 @ 200 mm\"\n");
        f.Run("size").Exit.Should().Be(0);
        var lines = f.Run("schedule", "--what", "pile caps").Out.Split('\n')
            .SkipWhile(l => !l.StartsWith("mark", StringComparison.Ordinal))
            .TakeWhile(l => !l.StartsWith('─'))
            .ToList();
        var words = lines.SelectMany(l => l.Split(' ', StringSplitOptions.RemoveEmptyEntries)).ToList();
        words.Should().Contain(["thickness", "underside", "concrete", "supports", "number", "layout"]);
    }
}
