using System.Globalization;
using System.Text.Json;

namespace Plinth.Cli.Tests;

/// <summary>
/// Grids of strips from the project's files to schedules and drawings, through the built program; what their rows share was worked apart by a
/// script from statics alone (Hermite beams of 5 cm on springs, shares by Lagrange multipliers), to whose numbers the program was then held.
/// </summary>
public class GridTests
{
    private const string Rows = "[[\"A1\", \"A2\", \"A3\"], [\"B1\", \"B2\", \"B3\"], [\"C1\", \"C2\", \"C3\"], [\"A1\", \"B1\", \"C1\"], [\"A2\", \"B2\", \"C2\"], [\"A3\", \"B3\", \"C3\"]]";
    private const string Plan = "width = \"1.2 m\"\nthickness = \"700 mm\"\nends = \"500 mm\"\n";

    private static Folder Made(string foundation, Func<string, string>? supports = null)
    {
        var f = new Folder();
        f["plinth.toml"] = $$"""
            [project]
            name = "Grid"
            code = "aci318m-19"
            [loads]
            standard = "asce7-16"
            [cases]
            DEAD = "D"
            LIVE = "L"
            WIND = { symbol = "W", reversible = true }
            [ground]
            bearing = "180 kPa"
            founding-depth = "1.2 m"
            subgrade-modulus = "25 MN/m3"
            [concrete]
            strength = "30 MPa"
            [steel]
            yield = "420 MPa"
            [column]
            strength = "30 MPa"
            [[foundation]]
            mark = "ST1"
            kind = "strip"
            {{foundation}}
            """;
        var (columns, reactions) = (new List<string> { "support,x (m),y (m),cx (m),cy (m)" }, new List<string>
        { "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)" });
        for (var j = 0; j < 3; j++)
        {
            for (var i = 0; i < 3; i++)
            {
                var (label, edge) = ($"{"ABC"[j]}{i + 1}", (i % 2 == 0 ? 1 : 0) + (j % 2 == 0 ? 1 : 0));
                string T(double v) => v.ToString(CultureInfo.InvariantCulture);
                columns.Add($"{label},{T(5 * i)},{T(4.5 * j)},0.4,0.4");
                var (dead, live) = (new[] { 700, 450, 280 }[edge], new[] { 380, 240, 140 }[edge]);
                reactions.Add($"{label},DEAD,{2 + i},{1 + j},{dead + (10 * i) + (5 * j)},{3 * j},{4 - (2 * i)}");
                reactions.Add($"{label},LIVE,1,1,{live + (4 * i) - (3 * j)},2,3");
                reactions.Add($"{label},WIND,8,0,{40 * (i - 1)},0,25");
            }
        }

        f["supports.csv"] = (supports ?? (s => s))(string.Join('\n', columns) + "\n");
        f["reactions.csv"] = string.Join('\n', reactions) + "\n";
        return f;
    }

    private static Folder Sized(string foundation)
    {
        var f = Made(foundation);
        var ran = f.Run("size");
        ran.Exit.Should().Be(0, ran.Error + ran.Out);
        return f;
    }

    private static double Given(Folder f, string mark, string check, string combination, string symbol) =>
        f.Run("show", mark, check, "--combination", combination, "--format", "json").Json.GetProperty("steps").EnumerateArray()
            .Last(s => s.TryGetProperty("symbol", out var name) && name.GetString() == symbol).GetProperty("value").GetDouble();

    [Fact]
    public void What_rows_share_and_how_they_bend_is_that_of_the_script()
    {
        using var f = Sized(Plan + "rows = " + Rows);
        foreach (var (mark, combination, symbol, value) in ((string, string, string, double)[])
            [("ST1-1", "S2", "N[A1]", 215.44), ("ST1-1", "S2", "N[A2]", 538.90), ("ST1-2", "S2", "N[B1]", 187.27), ("ST1-2", "S2", "N[B2]", 572.13),
            ("ST1-5", "S2", "N[C2]", 164.33), ("ST1-6", "U2", "N[B3]", 696.71), ("ST1-2", "S2", "w[B2]", 4.6734), ("ST1-5", "S2", "w[B2]", 4.6734),
            ("ST1-3", "S2", "w[C3]", 5.2768)])
        {
            Given(f, mark, combination == "S2" ? "bearing" : "flexure-bottom-x", combination, symbol).Should().BeApproximately(value, 5e-4 * value, $"{symbol} of {mark}");
        }

        foreach (var (mark, symbol, value) in ((string, string, double)[])
            [("ST1-2", "M", 335.28), ("ST1-2", "V", 369.34), ("ST1-5", "M", 297.03), ("ST1-5", "V", -337.19), ("ST1-1", "M", 248.02)])
        {
            Given(f, mark, "flexure-bottom-x", "U2", symbol).Should().BeApproximately(value, 5e-4 * Math.Abs(value), $"{symbol} of {mark}");
        }
    }

    [Fact]
    public void A_grid_is_sized_written_read_drawn_and_scheduled_as_its_rows()
    {
        using var f = Sized("rows = " + Rows);
        var written = f["adopted.toml"];
        written.Should().Contain("[ST1-1]").And.Contain("[ST1-6]").And.NotContain("[ST1-7]");
        f.Run("size").Error.Should().Contain("Nothing to write");
        f.Run("size", "ST1-2", "--all").Exit.Should().Be(0);
        f["adopted.toml"].Should().Be(written, "one row is sized with all others, and comes to the same");
        f.Run("status").Out.Should().NotContain("stale");

        var all = f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations").EnumerateArray().ToList();
        all.Should().HaveCount(6).And.OnlyContain(r => r.GetProperty("passes").GetBoolean());
        all.Select(r => r.GetProperty("thickness_m").GetDouble()).Distinct().Should().ContainSingle("rows are as deep");
        var joined = new List<string>();
        foreach (var row in all)
        {
            var grid = row.GetProperty("grid");
            grid.GetProperty("mark").GetString().Should().Be("ST1");
            foreach (var c in grid.GetProperty("crossings").EnumerateArray())
            {
                var (support, with) = (c.GetProperty("support").GetString()!, c.GetProperty("with").GetString());
                var there = all.Single(r => r.GetProperty("mark").GetString() == with).GetProperty("grid").GetProperty("crossings").EnumerateArray()
                    .Single(o => o.GetProperty("support").GetString() == support);
                (c.GetProperty("share").GetDouble() + there.GetProperty("share").GetDouble()).Should().BeApproximately(1, 1e-9);
                if (c.GetProperty("joined").GetBoolean())
                {
                    joined.Add(support);
                }
            }
        }

        joined.Should().OnlyHaveUniqueItems().And.HaveCount(9);
        f.Run("show", "ST1-2").Out.Should().Contain("row 2 of the grid ST1, crosses ST1-4 at B1 (");

        // Dowels of nine columns, and what both rows of a crossing cover once.
        var dowels = f.Run("schedule", "--what", "bars", "--format", "csv").Out.Split('\n').Where(l => l.Contains("dowels", StringComparison.Ordinal)).ToList();
        dowels.Should().HaveCount(9);
        f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
        f["plan.svg"].Should().Contain("ST1-1").And.Contain("ST1-6");
        f.Run("draw", "ST1-2", "--to", "detail.svg").Exit.Should().Be(0);
        f["detail.svg"].Should().Contain(">ST1-4<", "rows that cross are drawn");
        f.Run("report", "--to", "report.html").Exit.Should().Be(0);
        f.Run("audit").Exit.Should().Be(0);
        f.Run("draw", "ST1-2", "--what", "forces", "--to", "forces.svg").Exit.Should().Be(0);
        f["forces.svg"].Should().Contain("less what rows that cross weigh twice");
    }

    [Fact]
    public void Concrete_where_rows_cross_is_counted_once()
    {
        using var f = Sized(Plan + "rows = " + Rows);
        var total = f.Run("schedule", "--format", "json").Json.GetProperty("total").GetProperty("concrete_m3").GetDouble();

        // Three of 11.0 m and three of 10.0 m, 1.2 m wide; they cross from 0.5 m beyond the outer columns to 0.6 m within.
        var crossed = (1.2 + 1.1 + 1.1) * (1.2 + 1.1 + 1.1);
        total.Should().BeApproximately(0.7 * (((33 + 30) * 1.2) - crossed), 0.01);
    }

    [Fact]
    public void A_row_by_hand_is_kept_and_the_others_are_sized_beside_it()
    {
        using var f = Sized("rows = " + Rows);
        double Share(string mark) => f.Run("check", mark, "--format", "json").Json.GetProperty("foundations")[0].GetProperty("grid")
            .GetProperty("crossings")[1].GetProperty("share").GetDouble();
        var before = Share("ST1-1");
        var set = f.Run("set", "ST1-5", "width=1.8 m", "bottom-x=10 T25", "top-x=10 T20");
        set.Error.Should().Contain("plinth check ST1 checks all");
        Share("ST1-1").Should().BeLessThan(before, "a wider row takes more of what both carry");
        f.Run("size", "--all");
        f["adopted.toml"].Should().Contain("width = \"1.8 m\"");
        var all = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray()
            .Where(r => r.GetProperty("mark").GetString() != "ST1-5").ToList();
        all.Should().OnlyContain(r => r.GetProperty("passes").GetBoolean());
        f.Run("status").Out.Should().NotContain("stale");
    }

    [Fact]
    public void While_a_row_has_no_sizes_none_is_checked()
    {
        using var f = Sized(Plan + "rows = " + Rows);
        var text = f["adopted.toml"];
        f["adopted.toml"] = text[..text.IndexOf("[ST1-6]", StringComparison.Ordinal)];
        var found = f.Run("check", "ST1", "--format", "json");
        found.Exit.Should().Be(1);
        found.Json.GetProperty("foundations").EnumerateArray().Should().OnlyContain(r => r.GetProperty("utilisation").ValueKind == JsonValueKind.Null,
            "what a row carries follows from all");
        f.Run("size").Exit.Should().Be(0);
    }

    [Fact]
    public void Ribs_cross_too()
    {
        using var f = Sized("rib = \"400 mm\"\nrows = " + Rows);
        var all = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray().ToList();
        all.Should().HaveCount(6).And.OnlyContain(r => r.GetProperty("passes").GetBoolean());
        f["adopted.toml"].Split('\n').Where(l => l.StartsWith("rib = ", StringComparison.Ordinal)).Distinct().Should().ContainSingle("as deep in all");
        f.Run("show", "ST1-4").Out.Should().Contain("its bars along lie inside");
    }

    // A wall along a row weighs on that row, which sinks with those that it crosses, and whose room counts it among what grows.
    [Theory]
    [InlineData("")]
    [InlineData("rib = [\"400 mm\", \"1000 mm\"]\n")]
    public void A_wall_along_a_row_is_carried_by_it(string rib)
    {
        const string Wall = "load = [{ case = \"DEAD\", row = 2, line = \"25 kN/m\", from = [\"-5 m\", \"0 m\"], to = [\"5 m\", \"0 m\"] }]\n";
        using var f = Sized(rib + Wall + "rows = " + Rows);
        f.Run("check").Exit.Should().Be(0);
        Given(f, "ST1-2", "bearing", "S2", "P1").Should().BeApproximately(250, 1e-9);
        var (with, marks) = (Pushed(f), f.Run("check", "--format", "json").Json.GetProperty("foundations").GetArrayLength());
        marks.Should().Be(6);
        f.Replace("plinth.toml", Wall, "");
        (with - Pushed(f)).Should().BeApproximately(250, 0.05, "all rows together bear the wall once");
        f.Replace("plinth.toml", "rows =", Wall.Replace("to = [\"5 m\"", "to = [\"30 m\"") + "rows =");
        f.Run("size").Exit.Should().Be(1, "it lies beyond the row");

        static double Pushed(Folder f) => Enumerable.Range(1, 6).Sum(r => Given(f, $"ST1-{r}", "bearing", "S2", "ΣN"));
    }

    [Theory]
    [InlineData("rows = [[\"A1\", \"A2\"], [\"B1\", \"B2\"]]", "row 2, B1 to B2, meets the others at no support that both name")]
    [InlineData("rows = [[\"A1\", \"A2\", \"A3\"], [\"A1\", \"B1\", \"C1\"], [\"B1\", \"B2\", \"B3\"], [\"A2\", \"C2\"], [\"A2\", \"B1\"]]", "stands in 3 rows")]
    [InlineData("rows = [[\"A1\", \"A2\", \"A3\"], [\"A1\", \"B1\", \"C1\"], [\"B1\", \"B2\", \"B3\"], [\"A2\", \"C2\"]]", "rows 3 and 4 cross at no support that both name")]
    [InlineData("rows = [[\"A1\", \"A2\", \"A3\"], [\"A1\", \"B2\", \"C3\"]]", "cross at 42°; rows of a grid that cross at right angles")]
    [InlineData("rows = [[\"A1\", \"A2\", \"A3\"]]", "one row crosses no other; write it as supports = [\"A1\", \"A2\", \"A3\"]")]
    [InlineData("rows = [\"A1\", \"A2\"]", "rows must be a list of rows")]
    [InlineData("rows = [[\"A1\", \"A2\"], [\"A1\"]]", "\"A1\" stands alone in a row")]
    [InlineData("rows = [[\"A1\", \"A2\", \"A1\"], [\"A1\", \"B1\"]]", "support \"A1\" stands twice in one list")]
    [InlineData("supports = [\"C1\", \"C2\"]\nrows = [[\"A1\", \"A2\"], [\"A1\", \"B1\"]]", "supports and rows are both given")]
    [InlineData("rows = [[\"A1\", \"A9\"], [\"A1\", \"B1\"]]", "support \"A9\" does not stand in supports.csv; did you mean")]
    [InlineData("pedestal = { under = \"all\", height = \"600 mm\" }\nrows = [[\"A1\", \"A2\"], [\"A1\", \"B1\"]]", "stands on a pedestal or in a socket, which is not designed on a grid")]
    [InlineData("load = [{ case = \"DEAD\", point = \"20 kN\", at = [\"1 m\", \"0 m\"] }]\nrows = [[\"A1\", \"A2\"], [\"A1\", \"B1\"]]", "needs row; write for example row = 1, which of the 2 rows of the grid carries it")]
    [InlineData("load = [{ case = \"DEAD\", row = 3, point = \"20 kN\", at = [\"1 m\", \"0 m\"] }]\nrows = [[\"A1\", \"A2\"], [\"A1\", \"B1\"]]", "row = 3 is none of the 2 rows of the grid; write 1 to 2")]
    [InlineData("load = [{ case = \"DEAD\", row = 1, point = \"20 kN\", at = [\"1 m\", \"0 m\"] }]\nsupports = [\"A1\", \"A2\"]", "has no key \"row\"")]
    public void What_is_no_grid_is_refused_where_it_is_written(string foundation, string message)
    {
        using var f = Made(foundation);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2);
        ran.Error.Should().MatchRegex(@"plinth\.toml:\d+:\d+: error: ").And.Contain(message);
        f.Has("adopted.toml").Should().BeFalse();
    }

    [Fact]
    public void Rows_are_not_those_of_a_combined_footing()
    {
        using var f = Made("rows = [[\"A1\", \"A2\"], [\"A1\", \"B1\"]]");
        f["plinth.toml"] = f["plinth.toml"].Replace("kind = \"strip\"", "kind = \"combined\"", StringComparison.Ordinal);
        f.Run("size").Error.Should().Contain("rows are those of a grid of strips, not of a combined footing; write kind = \"strip\"");
    }

    [Fact]
    public void The_grids_mark_names_all_its_rows_and_nothing_else()
    {
        using var f = Made("rows = [[\"A1\", \"A2\"], [\"A1\", \"B1\"]]");
        var plain = f["plinth.toml"];
        f["plinth.toml"] = plain + "\n[[waive]]\ncheck = \"sliding\"\nmarks = [\"ST1\"]\nwhy = \"held by the slab\"\n";
        f.Run("size", "ST1").Exit.Should().Be(0);
        f.Run("check", "ST1", "--format", "json").Json.GetProperty("foundations").EnumerateArray().Should().HaveCount(2)
            .And.OnlyContain(r => r.GetProperty("checks").EnumerateArray().Any(c => c.GetProperty("id").GetString() == "sliding"
                && c.GetRawText().Contains("held by the slab", StringComparison.Ordinal)));
        f.Run("set", "ST1", "width=1.4 m").Error.Should().Contain("\"ST1\" names 2 foundations; name one");
        f["plinth.toml"] = plain + "\n[[foundation]]\nmark = \"ST1\"\nsupports = [\"C3\"]\n";
        f.Run("check").Error.Should().Contain("mark \"ST1\" names all rows of this grid, and the foundation at plinth.toml:");
    }

    [Fact]
    public void Rows_that_lie_over_each_other_side_by_side_are_told()
    {
        using var f = Made("width = \"1.4 m\"\nthickness = \"900 mm\"\nends = \"900 mm\"\nrows = [[\"A1\", \"A2\"], [\"B1\", \"B2\"], [\"A1\", \"B1\"]]",
            s => s.Replace(",4.5,", ",1,", StringComparison.Ordinal));
        f.Run("size", "ST1").Error.Should().Contain("ST1-2 (B1, B2): nothing found: bearing").And.Contain("ST1-2, of the same grid, finds none");
        f["plinth.toml"] = f["plinth.toml"].Replace("180 kPa", "900 kPa", StringComparison.Ordinal);
        f.Run("size", "ST1").Exit.Should().Be(1);
        var near = f.Run("check", "ST1", "--format", "json").Json.GetProperty("near").EnumerateArray().ToList();
        near.Should().ContainSingle(o => o.GetRawText().Contains("ST1-1", StringComparison.Ordinal)
            && o.GetRawText().Contains("ST1-2", StringComparison.Ordinal), "what both cover is counted twice; those that cross are meant to");
    }

    [Fact]
    public void A_column_beside_the_line_of_its_row_is_refused()
    {
        using var f = Made("rows = " + Rows, s => s.Replace("B2,5,4.5", "B2,5.02,4.5", StringComparison.Ordinal));
        f.Run("size").Error.Should().Contain("support \"B2\" stands 0.02 m beside the line of row 5, A2 to C2");
    }
}
