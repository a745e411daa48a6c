namespace Plinth.Cli.Tests;

/// <summary>Schedules of footings, bars and quantities, through the built program.</summary>
public class ScheduleTests
{
    private static Folder Sized(string more = "")
    {
        var f = new Folder();
        f["plinth.toml"] = Folder.Toml + more;
        f.Run("size", "--all").Exit.Should().Be(0);
        return f;
    }

    private static List<string[]> Rows(string csv) => [.. csv.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => l.Split(','))];

    [Fact]
    public void Bars_are_scheduled_with_shapes_lengths_and_masses_that_add_up()
    {
        using var f = Sized("[column]\nstrength = \"35 MPa\"\n");
        var rows = Rows(f.Run("schedule", "--what", "bars", "--format", "csv").Out);
        rows[0]
            .Should().Equal("member", "bar mark", "use", "size", "members", "in each", "total", "length (mm)", "shape", "a (mm)", "b (mm)",
                "c (mm)", "r (mm)", "mass (kg)");
        var json = f.Run("schedule", "--format", "json").Json;
        var bars = json.GetProperty("bars").EnumerateArray().ToList();
        bars.Should().HaveCount(f.Run("schedule", "--what", "bars", "--format", "csv").Out.Split('\n').Count(l => l.StartsWith('F')));
        bars.Select(b => b.GetProperty("bar_mark").GetString()).Should().OnlyHaveUniqueItems().And.StartWith("01");
        bars.Sum(b => b.GetProperty("mass_kg").GetDouble())
            .Should().BeApproximately(json.GetProperty("total").GetProperty("steel_kg").GetDouble(), 1e-9);
        foreach (var b in bars)
        {
            // Any checker with the sheet in hand: number × length × nominal mass.
            var size = int.Parse(b.GetProperty("size").GetString()![1..]);
            var mass = b.GetProperty("total").GetInt32() * b.GetProperty("length_m").GetDouble() * Math.PI * size * size / 4e6 * 7850;
            b.GetProperty("mass_kg").GetDouble().Should().BeApproximately(mass, 1e-9 * mass);
        }

        bars.Where(b => b.GetProperty("use").GetString() == "dowels")
            .Should().HaveCount(3).And.OnlyContain(b => b.GetProperty("shape").GetString() == "11");
    }

    [Fact]
    public void Straight_bars_are_cut_to_the_base_less_its_side_covers()
    {
        using var f = Sized();
        var json = f.Run("schedule", "--format", "json").Json;
        foreach (var footing in json.GetProperty("footings").EnumerateArray())
        {
            var bars = json.GetProperty("bars").EnumerateArray()
                .Where(b => b.GetProperty("member").GetString() == footing.GetProperty("mark").GetString()
                    && b.GetProperty("shape").GetString() == "00");
            foreach (var b in bars)
            {
                var side = footing.GetProperty(b.GetProperty("use").GetString()!.Contains("along x") ? "length_m" : "width_m").GetDouble();
                b.GetProperty("length_m").GetDouble().Should().BeApproximately(side - 0.15, 1e-9);
            }
        }
    }

    [Fact]
    public void A_workbook_holds_all_three_and_one_where_it_is_asked()
    {
        using var f = Sized();
        f.Run("schedule", "--to", "out/all.xlsx").Exit.Should().Be(0);
        f.Run("schedule", "--what", "bars", "--to", "out/bars.xlsx").Exit.Should().Be(0);
        static List<string> Sheets(string path)
        {
            using var zip = System.IO.Compression.ZipFile.OpenRead(path);
            using var book = zip.GetEntry("xl/workbook.xml")!.Open();
            return [.. System.Xml.Linq.XElement.Load(book).Descendants()
                .Where(e => e.Name.LocalName == "sheet")
                .Select(e => e.Attribute("name")!.Value)];
        }

        Sheets(Path.Combine(f.Path, "out/all.xlsx")).Should().Equal("Footings", "Bars", "Quantities");
        Sheets(Path.Combine(f.Path, "out/bars.xlsx")).Should().Equal("Bars");
        f.Run("schedule", "--to", "out/again.xlsx");
        File.ReadAllBytes(Path.Combine(f.Path, "out/again.xlsx")).SequenceEqual(File.ReadAllBytes(Path.Combine(f.Path, "out/all.xlsx")))
            .Should().BeTrue("same input, same bytes");
    }

    [Fact]
    public void Quantities_name_what_they_count_and_carbon_only_by_stated_factors()
    {
        using var f = Sized();
        f.Run("schedule", "--what", "quantities").Out.Should().Contain("no working space").And.NotContain("carbon");
        f["plinth.toml"] += "[carbon]\nconcrete = 310\nsteel = 0.85\n";
        var total = f.Run("schedule", "--format", "json").Json.GetProperty("total");
        total.GetProperty("carbon_kgCO2e").GetDouble()
            .Should().BeApproximately((310 * total.GetProperty("concrete_m3").GetDouble())
                + (0.85 * total.GetProperty("steel_kg").GetDouble()), 1e-9);
        f.Run("schedule", "--what", "quantities").Out.Should().Contain("embodied carbon").And.Contain(
            "concrete 310 kg/m3, steel 0.85 kg/kg");
        f["plinth.toml"] = f["plinth.toml"].Replace("steel = 0.85", "steel = -1");
        f.Run("schedule").Error.Should().Contain("steel").And.Contain("must be more than zero");
    }

    [Fact]
    public void Layers_are_told_by_where_they_lie()
    {
        using var f = Sized();
        f["plinth.toml"] = Folder.Toml.Replace("yield = \"420 MPa\"", "yield = \"420 MPa\"\nlower-layer = \"y\"");
        var rows = Rows(f.Run("schedule", "--format", "csv").Out);
        var at = Array.IndexOf(rows[0], "bottom B1");
        rows[1][at].Should().EndWith("along y");
        rows[1][at + 1].Should().EndWith("along x");
    }

    [Fact]
    public void Us_projects_schedule_in_inches_and_pounds()
    {
        using var f = Folder.Building("workshop-frame");
        f.Run("size", "--all").Exit.Should().Be(0);
        var rows = Rows(f.Run("schedule", "--what", "bars", "--format", "csv").Out);
        rows[0].Should().Contain("length (in)").And.Contain("mass (lb)");
        var row = rows[1];
        var (total, length) = (double.Parse(row[Array.IndexOf(rows[0], "total")]),
            double.Parse(row[Array.IndexOf(rows[0], "length (in)")]));

        // ASTM A615: #5 1.043 lb/ft and so on, here from kg/m.
        var perFoot = row[Array.IndexOf(rows[0], "size")] switch
        {
            "#4" => 0.668,
            "#5" => 1.043,
            "#6" => 1.502,
            "#7" => 2.044,
            "#8" => 2.670,
            var s => throw new InvalidOperationException(s)
        };
        double.Parse(row[^1]).Should().BeApproximately(total * length / 12 * perFoot, 0.002 * total * length / 12 * perFoot);
    }
}
