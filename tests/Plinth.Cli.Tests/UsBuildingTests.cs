using System.Globalization;
using System.Text;

namespace Plinth.Cli.Tests;

/// <summary>
/// A store of twelve columns in US units, braced, with pedestals, beside a property line: from the first command to the issue.
/// </summary>
public sealed class UsBuildingTests
{
    private static readonly double[] Dead = [70, 95, 98, 72];

    // The template filled in as its comments say.
    private static Folder Store()
    {
        var f = new Folder();
        f.Run("new", "store", "--units", "us").Exit.Should().Be(0);
        foreach (var file in (ReadOnlySpan<string>)["plinth.toml", "supports.csv", "reactions.csv"])
        {
            f[file] = f["store/" + file];
        }

        f.Replace("plinth.toml", "LIVE = \"L\"", "LIVE = \"L\"\nSNOW = \"S\"\nWX = { symbol = \"W\", reversible = true }\nEX = \"E\"");
        f.Replace("plinth.toml", "founding-depth = \"5 ft\"", "founding-depth = \"5.5 ft\"");
        f.Replace("plinth.toml", "bearing = \"3 ksf\"",
            "bearing = \"4 ksf\"\nbearing-transient = 1.33\nfrost-depth = \"42 in\"\npassive-coefficient = 2.0");
        f.Replace("plinth.toml", "sds = 0.0", "category = \"D\"\nsds = 0.6");
        f.Replace("plinth.toml", "# strength = \"5000 psi\"\n", "strength = \"5000 psi\"\nbars = \"8 #7\"\n");
        f.Replace("plinth.toml", "[pedestal]\n", "[pedestal]\nunder = \"all\"\nheight = \"3 ft\"\n");
        f["plinth.toml"] += "\n[site]\n"
            + "boundary = [[\"-3 ft\", \"-10 ft\"], [\"90 ft\", \"-10 ft\"], [\"90 ft\", \"60 ft\"], [\"-3 ft\", \"60 ft\"]]\n";
        var (supports, reactions) = (new StringBuilder("support,x (ft),y (ft),shape,cx (in),cy (in),grid\n"),
            new StringBuilder("support,case,Fx (kip),Fy (kip),Fz (kip),Mx (kip ft),My (kip ft)\n"));
        for (var n = 0; n < 12; n++)
        {
            var (i, j) = (n % 4, n / 4);
            var (label, side, dead) = ($"P{n + 1}", j == 1 && i is (1 or 2) ? 24 : 18, Dead[i] * (j == 1 ? 1.7 : 1));
            supports.Append(CultureInfo.InvariantCulture, $"{label},{25 * i},{25 * j},rectangular,{side},{side},{"ABCD"[i]}-{j + 1}\n");
            reactions.Append(CultureInfo.InvariantCulture,
                $"{label},DEAD,0.4,0.3,{dead},0,0\n{label},LIVE,0.2,0.2,{0.7 * dead:0.##},0,0\n{label},SNOW,0,0,{0.2 * dead:0.##},0,0\n");
            var (braced, sign) = (j != 1 && i is (1 or 2), i == 1 ? -1 : 1);
            if (braced)
            {
                reactions.Append(CultureInfo.InvariantCulture, $"{label},WX,-14,0,{60 * sign},0,0\n{label},EX,-22,0,{95 * sign},0,0\n");
            }
            else
            {
                reactions.Append(CultureInfo.InvariantCulture, $"{label},WX,-1,0,{2 * sign},0,-6\n{label},EX,-1.5,0,{3 * sign},0,-9\n");
            }
        }

        f["supports.csv"] = supports.ToString();
        f["reactions.csv"] = reactions.ToString();
        return f;
    }

    [Fact]
    public void It_goes_from_new_to_issue_and_every_output_agrees()
    {
        using var f = Store();
        var audit = f.Run("audit");
        audit.Exit.Should().Be(0, audit.Out + audit.Error);
        audit.Out.Should().Contain("support P2 is lifted");
        var size = f.Run("size");
        size.Exit.Should().Be(0, size.Out + size.Error);
        size.Out.Should().Contain("12 foundations: 12 pass").And.Contain("ties between footings").And.NotContain("seismic-detailing");

        // The frame's columns by the line: no base crosses it, and each keeps to its own side of it.
        var json = f.Run("check", "--format", "json").Json;
        var footings = json.GetProperty("foundations").EnumerateArray().ToList();
        footings.Should().HaveCount(12);
        foreach (var footing in footings)
        {
            var place = footing.GetProperty("places")[0];
            var west = place.GetProperty("x_m").GetDouble() - (footing.GetProperty("length_m").GetDouble() / 2);
            west.Should().BeGreaterThan((-3 * 0.3048) - 1e-6);
            footing.GetProperty("dowels").GetString().Should().StartWith("8 #", "one beside every bar of the column");
        }

        // Uplift under the braced bays: a top mat, and pedestals whose bars are all held.
        footings[1].GetProperty("bars").GetProperty("top-x").GetString().Should().NotBe("none");
        var bars = f.Run("schedule", "--format", "json").Json.GetProperty("bars").EnumerateArray().ToList();
        bars.Where(b => b.GetProperty("member").GetString() == "F2")
            .Select(b => b.GetProperty("use").GetString())
            .Should().Contain(["dowels", "pedestal", "ties", "cross-ties along x", "cross-ties along y"]);
        f.Run("show", "P2").Out.Should().Contain("under P2 (B-1)").And.Contain("frost depth").And.Contain("joint");
        f.Run("status").Exit.Should().Be(0);
        f.Run("issue", "A").Exit.Should().Be(0);
        f["issued/A/foundation-plan.dxf"].Should().Contain("New project").And.Contain("F12");
        f["issued/A/issue.toml"].Should().Contain("foundation-plan.pdf").And.Contain("details.pdf");
    }
}
