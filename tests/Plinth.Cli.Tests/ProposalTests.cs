using System.Text.Json;

namespace Plinth.Cli.Tests;

/// <summary>
/// What is proposed where bases cannot be built as they are, through the built program: a proposal pasted gives what was priced.
/// </summary>
public class ProposalTests
{
    // Columns near each other, whose bases overlap.
    private static Folder Near(double x = 1.6)
    {
        var f = new Folder();
        f.Replace("supports.csv", "C2,6,0,400,400", FormattableString.Invariant($"C2,{x},0,400,400"));
        return f;
    }

    private static List<JsonElement> Priced(Folder f) =>
        [.. f.Run("size", "--propose", "--format", "json").Json.GetProperty("proposals").EnumerateArray()];

    [Fact]
    public void An_overlap_is_named_with_a_proposal_and_pasting_it_gives_what_was_priced()
    {
        using var f = Near();
        var sized = f.Run("size");
        sized.Exit.Should().Be(1);
        sized.Out.Should().Contain("OVERLAP").And.Contain("  [[foundation]]  # F1 and F2 overlap by").And.Contain(
            "\n  supports = [\"C1\", \"C2\"]\n");
        var (toml, adopted) = (f["plinth.toml"], f["adopted.toml"]);
        var shown = f.Run("size", "--propose");
        shown.Exit.Should().Be(1, "what stands there now still overlaps");
        shown.Out.Should().Contain("C1, C2").And.Contain("✓ serves").And.Contain("paste it into plinth.toml");
        f.Run("size", "--propose", "--format", "csv").Out.Should().StartWith("in place of,cause,").And.Contain("\"F1, F2\",overlap,");
        var priced = Priced(f).Single();
        (f["plinth.toml"], f["adopted.toml"]).Should().Be((toml, adopted), "nothing is written");
        f["plinth.toml"] += "\n" + priced.GetProperty("toml").GetString() + "\n";
        f["adopted.toml"] = "";
        f.Run("size").Exit.Should().Be(0);
        var taken = f.Run("check", "CF1", "--format", "json").Json.GetProperty("foundations")[0];
        foreach (var key in (string[])["length_m", "width_m", "thickness_m"])
        {
            taken.GetProperty(key).GetDouble().Should().Be(priced.GetProperty(key).GetDouble());
        }

        taken.GetProperty("bars").GetRawText().Should().NotBeEmpty();
        f.Run("size", "--propose").Out.Should().Contain("Nothing to propose");
    }

    [Fact]
    public void A_base_at_an_edge_that_finds_nothing_is_proposed_with_its_inner_neighbour()
    {
        using var f = new Folder();
        f["plinth.toml"] += "\n[sizing]\nrange = { plan = [\"1 m\", \"6 m\"] }\n\n[[foundation]]\nsupports = [\"C1\"]\n"
            + "edge-x0 = \"column\"\nwidth = \"1.6 m\"\n";
        f.Replace("supports.csv", "C2,6,0,400,400", "C2,4,0,400,400");
        var sized = f.Run("size");
        sized.Exit.Should().Be(1);
        sized.Out.Should().Contain("# nothing was found for F1\n  supports = [\"C1\", \"C2\"]\n  edge-x0 = \"column\"");
        var priced = Priced(f);
        priced.Should().HaveCountLessThanOrEqualTo(3, "a trapezoid is tried where the rectangle does not serve, and a strap");
        priced[0].GetProperty("cause").GetString().Should().Be("nothing-found");
        var replaced = priced[0].GetProperty("tables_replaced").EnumerateArray().Single();
        replaced.GetProperty("mark").GetString().Should().Be("F1");
        replaced.GetProperty("place").GetString().Should().StartWith("plinth.toml:");
        replaced.GetProperty("not_carried_over").EnumerateArray().Select(k => k.GetString()).Should().Equal("width");
        var best = priced.Where(p => p.GetProperty("serves").GetBoolean() && !p.GetProperty("toml").GetString()!.Contains("strap")).MinBy(p => p.GetProperty("cost_then").GetDouble());
        f.Run("size", "--propose").Out.Should().Contain("take C1 out there; not carried over: width");

        // As the words say: its own table goes, the proposal comes.
        var toml = f["plinth.toml"];
        f["plinth.toml"] = toml[..toml.IndexOf("\n[[foundation]]", StringComparison.Ordinal)] + "\n" + best.GetProperty("toml").GetString()
            + "\n";
        f["adopted.toml"] = "";
        f.Run("size").Exit.Should().Be(0);
        var taken = f.Run("check", "CF1", "--format", "json").Json.GetProperty("foundations")[0];
        taken.GetProperty("length_m").GetDouble().Should().Be(best.GetProperty("length_m").GetDouble());
        taken.GetProperty("width_m").GetRawText().Should().Be(best.GetProperty("width_m").GetRawText());
    }

    [Fact]
    public void Proposals_of_the_office_are_priced_each_alone()
    {
        using var f = Folder.OfficeOfSingles();
        f.Run("size");
        var priced = Priced(f);
        priced.Should().NotBeEmpty();
        foreach (var p in priced.Where(p => p.GetProperty("serves").GetBoolean()))
        {
            p.GetProperty("cost_then").GetDouble().Should().BePositive();
            p.GetProperty("utilisation").GetDouble().Should().BeLessThanOrEqualTo(1);
            p.GetProperty("near").EnumerateArray().Should().OnlyContain(n => n.GetProperty("gap_m").GetDouble() >= 0);
        }
    }
}
