using System.Globalization;

namespace Plinth.Cli.Tests;

/// <summary>Loads beside columns and walls lie on the base that carries them, of every kind: sizing makes it so or says that none may.</summary>
public class LoadsBesideTests
{
    private static Folder Made(string kind, double reach)
    {
        var f = new Folder();
        var wall = kind.Contains("\"wall\"", StringComparison.Ordinal);
        var r = reach.ToString(CultureInfo.InvariantCulture);

        // Along x beyond the last column; of a wall, whose length is given, across it.
        var (from, to) = wall ? ($"[\"-1 m\", \"{r} m\"]", $"[\"1 m\", \"{r} m\"]") : ("[\"0 m\", \"0 m\"]", $"[\"{r} m\", \"0 m\"]");
        f["plinth.toml"] = $$"""
            [project]
            name = "Beside"
            code = "aci318m-19"
            [loads]
            standard = "asce7-16"
            [cases]
            DEAD = "D"
            [ground]
            bearing = "180 kPa"
            founding-depth = "1.4 m"
            subgrade-modulus = "25 MN/m3"
            [concrete]
            strength = "30 MPa"
            [steel]
            yield = "420 MPa"
            [[foundation]]
            mark = "F1"
            {{kind}}
            load = [{ case = "DEAD", line = "8 kN/m", from = {{from}}, to = {{to}} }]
            """;
        f["supports.csv"] = wall ? "support,shape,x (m),y (m),x2 (m),y2 (m),cx (m)\nA1,wall,0,0,6,0,0.25\n"
            : "support,x (m),y (m),cx (m),cy (m)\nA1,0,0,0.4,0.4\nA2,4,0,0.4,0.4\n";
        f["reactions.csv"] = "support,case,Fz (kN)\nA1,DEAD,500\n" + (wall ? "" : "A2,DEAD,450\n");
        return f;
    }

    public static TheoryData<string, double> Kinds => new()
    {
        { "supports = [\"A1\"]", 1.6 },
        { "supports = [\"A1\", \"A2\"]", 3.1 },
        { "kind = \"strip\"\nsupports = [\"A1\", \"A2\"]", 3.1 },
        { "kind = \"strip\"\nrib = [\"450 mm\", \"900 mm\"]\nsupports = [\"A1\", \"A2\"]", 3.1 },
        { "kind = \"wall\"\nsupports = [\"A1\"]", 1.7 },
    };

    [Theory]
    [MemberData(nameof(Kinds))]
    public void What_is_sized_has_them_on_it_and_can_be_read_again(string kind, double reach)
    {
        using var f = Made(kind, reach);
        var sized = f.Run("size", "F1");
        sized.Exit.Should().Be(0, sized.Error + sized.Out);
        var check = f.Run("check", "F1", "--format", "json");
        check.Exit.Should().Be(0, check.Error);
        check.Error.Should().NotContain("beyond");
        var own = check.Json.GetProperty("foundations")[0];
        own.GetProperty("utilisation").GetDouble().Should().BeInRange(0.01, 1);
    }

    [Theory]
    [MemberData(nameof(Kinds))]
    public void Where_no_base_may_reach_them_nothing_is_found(string kind, double reach)
    {
        using var f = Made(kind, 20 + reach);
        var sized = f.Run("size", "F1");
        sized.Exit.Should().Be(1, sized.Error + sized.Out);
        sized.Error.Should().MatchRegex("lies beyond any|do not stand on any such base|load");
        f.Has("adopted.toml").Should().BeFalse("nothing was found");
    }
}
