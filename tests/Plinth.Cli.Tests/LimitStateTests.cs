namespace Plinth.Cli.Tests;

/// <summary>Projects whose ground is designed by EN 1997-1, through the built program: what they state, what they show, what is refused.</summary>
public class LimitStateTests
{
    private const string Strength = "[ground.strength]\nfriction-angle = \"32 deg\"\ncritical-angle = \"30 deg\"\n";

    private static Folder European(string ground = "", string loads = "", string strength = Strength)
    {
        var f = new Folder();
        f.Replace("plinth.toml", "standard = \"asce7-22\"", "standard = \"en1990\"\n" + loads);
        f.Replace("plinth.toml", "DEAD = \"D\"\nLIVE = \"L\"", "DEAD = \"G\"\nLIVE = { symbol = \"Q\", category = \"B\" }");
        f.Replace("plinth.toml", "[ground]\nfounding-depth = \"1.5 m\"\nbearing = \"200 kPa\"\n",
            "[ground]\ndesign = \"en1997\"\nfounding-depth = \"1.5 m\"\n" + ground + strength);
        return f;
    }

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    public void A_building_is_sized_checked_and_shown_with_its_limit_states_and_clauses(int approach)
    {
        using var f = European(loads: $"design-approach = {approach}\n");
        var sized = f.Run("size");
        sized.Exit.Should().Be(0, sized.Error);
        sized.Error.Should().Contain("actions by EN 1990, the ground by EN 1997-1, but the concrete is checked by ACI 318M-19");
        var all = f.Run("check", "--format", "json").Json.GetProperty("foundations").EnumerateArray().ToList();
        all.Should().HaveCount(3);
        foreach (var check in all.SelectMany(r => r.GetProperty("checks").EnumerateArray()))
        {
            var (id, combination) = (check.GetProperty("id").GetString()!, check.GetProperty("combination").GetString());
            var (clause, set) = id switch
            {
                "bearing" => ("EN 1997-1 6.5.2", "[BC]:"),
                "sliding" => ("EN 1997-1 6.5.3", "[BC]:"),
                "uplift" => ("EN 1997-1 2.4.7.4", "UPL"),
                "overturning-x" or "overturning-y" => ("EN 1997-1 2.4.7.2", "EQU"),
                _ => ("", ""),
            };
            if (clause.Length > 0)
            {
                check.GetProperty("clause").GetString().Should().Be(clause, id);
                combination.Should().MatchRegex("^" + set, id);
            }
        }

        f.Run("show", "F2").Out.Should().Contain($"ACI 318M-19, EN 1990, EN 1997-1 (design approach {approach})");
        f.Run("show", "F2", "bearing").Out.Should().Contain(approach == 1 ? "Bearing resistance, drained, DA1-2: M2 + R1"
            : "Bearing resistance, drained, DA2: M1 + R2").And.Contain("[EN 1997-1 D.4]");
        f.Run("show", "F2", "sliding").Out.Should().Contain("φcv;d").And.Contain("F/R'd");
        f.Run("combos").Out.Should().Contain("table A1.2(A)   for overturning").And.Contain("for uplift").And.Contain("for ground, sliding, concrete");
        f.Run("report", "--to", "r.html", "--depth", "full").Exit.Should().Be(0);
        f["r.html"].Should().Contain("Nationally determined values").And.Contain("γR;v of set R2");
    }

    // Smaller in turn: what is stated or found more of needs no larger base.
    [Fact]
    public void What_the_nation_or_the_ground_report_states_counts()
    {
        double Area(Folder f)
        {
            using (f)
            {
                var ran = f.Run("size", "--format", "json", "--dry-run");
                ran.Exit.Should().Be(0, ran.Error);
                return ran.Json.GetProperty("foundations").EnumerateArray()
                    .Sum(r => r.GetProperty("length_m").GetDouble() * r.GetProperty("width_m").GetDouble());
            }
        }

        var found = Area(European());
        Area(European(strength: Strength.Replace("32", "36"))).Should().BeLessThan(found);
        var annex = European();
        annex["plinth.toml"] += "[annex]\ngamma-phi-m2 = 1.6\n";
        Area(annex).Should().BeGreaterThan(found);
        Area(European("bearing = \"100 kPa\"\n")).Should().BeGreaterThan(found, "under characteristic loads");
        Area(European("bearing-resistance = \"150 kPa\"\n", strength: "[ground.strength]\nundrained = \"200 kPa\"\n"))
            .Should().BeGreaterThan(Area(European("bearing-resistance = \"300 kPa\"\n", strength: "[ground.strength]\nundrained = \"200 kPa\"\n")));
    }

    [Fact]
    public void Drawings_and_settings_tell_what_is_stated()
    {
        using var f = European("bearing-resistance = \"310 kPa\"\nbearing = \"180 kPa\"\nfriction = 0.5\n", strength: "");
        f["plinth.toml"] += "[annex]\ngamma-rv-r2 = 1.5\n";
        f.Run("size").Exit.Should().Be(0);
        f.Run("draw", "--to", "plan.svg").Exit.Should().Be(0);
        f["plan.svg"].Should().Contain("Design bearing resistance 310 kPa").And.Contain("bearing under characteristic loads 180 kPa")
            .And.Contain("EN 1997-1 (design approach 1)");
        var settings = f.Run("show", "F1", "--settings", "--format", "json").Json.GetProperty("settings").EnumerateArray().ToList();
        string Of(string key, string what) => settings.Single(s => s.GetProperty("key").GetString() == key).GetProperty(what).ToString();
        Of("gamma-rv-r2", "value").Should().Be("1.5");
        Of("gamma-cu-m2", "value").Should().Be("1.4", "recommended");
        Of("friction", "value").Should().Be("0.5");
    }

    [Theory]
    [InlineData("design = \"en1997\"", "design = \"en1998\"", "\"en1998\" is not known")]
    [InlineData("friction-angle = \"32 deg\"\n", "", "needs friction-angle (drained), undrained, or both")]
    [InlineData("[ground.strength]\nfriction-angle = \"32 deg\"\ncritical-angle = \"30 deg\"\n", "", "needs bearing-resistance (design value, ultimate limit states)")]
    [InlineData("critical-angle = \"30 deg\"\n", "", "[ground] needs [ground.strength] critical-angle")]
    [InlineData("critical-angle = \"30 deg\"", "critical-angle = \"52 deg\"", "critical-angle must be below 50 deg")]
    [InlineData("critical-angle", "safety = 3\ncritical-angle", "safety does nothing under design = \"en1997\"")]
    [InlineData("critical-angle", "theory = \"vesic\"\ncritical-angle", "theory \"vesic\" goes with a factor of safety")]
    [InlineData("founding-depth", "adhesion = \"10 kPa\"\nfounding-depth", "which leaves cohesion along the base out (6.5.3(10)); delete it")]
    [InlineData("founding-depth", "bearing-transient = 1.33\nfounding-depth", "bearing-transient does nothing under design = \"en1997\"")]
    [InlineData("founding-depth", "friction = 0.5\nbase-face = \"smooth\"\nfounding-depth", "base-face is for the angle found from critical-angle")]
    [InlineData("[concrete]", "[stability]\nsliding = 1.5\n[concrete]", "sliding does nothing under [ground] design = \"en1997\"")]
    [InlineData("[concrete]", "[annex]\ngamma-phi-m3 = 1.5\n[concrete]", "[annex] has no key \"gamma-phi-m3\"; did you mean \"gamma-phi-m")]
    [InlineData("design = \"en1997\"", "design = \"allowable\"\nbearing = \"200 kPa\"\nbase-sealed = true", "base-sealed does nothing without design = \"en1997\"")]
    [InlineData("design = \"en1997\"\n", "bearing = \"200 kPa\"\n[annex]\ngamma-phi-m2 = 1.3\n[ground]\n", "defined twice|stands twice|gamma-phi-m2 does nothing without")]
    [InlineData("standard = \"en1990\"\n", "standard = \"en1990\"\ndesign-approach = 3\n", "design approach 3, in which weights")]
    [InlineData("DEAD = \"G\"", "DEAD = { symbol = \"G\", free = true }", "free is for Q of en1990 alone")]
    [InlineData("design = \"en1997\"", "design = \"allowable\"\nbearing = \"200 kPa\"\nsettlement-set = \"characteristic\"", "settlement-set does nothing without design")]
    [InlineData("LIVE = {", "FLOOD = { for = [\"ground\"], weights = 1.0, transient = false }\nLIVE = {", "case \"FLOOD\" is combined beforehand and belongs to no limit state")]
    [InlineData("[concrete]", "[[combination]]\nname = \"own\"\nfor = [\"sliding\"]\nfactors = { G = 1.0 }\nweights = 1.0\n[concrete]", "combination \"own\" belongs to no limit state")]
    [InlineData("[concrete]", "[[foundation]]\nkind = \"pile-cap\"\nsupports = [\"C1\"]\npiles = { size = \"450 mm\", compression = \"600 kN\" }\n[concrete]", "resistances of piles by EN 1997-1 7.6 are not built")]
    public void Bad_input_is_refused_with_its_place(string old, string now, string message)
    {
        using var f = European();
        f.Replace("plinth.toml", old, now);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Error);
        ran.Error.Should().MatchRegex(string.Join('|', message.Split('|').Select(System.Text.RegularExpressions.Regex.Escape)))
            .And.MatchRegex(@"plinth\.toml:\d+:\d+: error");
        f.Has("adopted.toml").Should().BeFalse("nothing is written");
    }

    // A wall on its footing by a script from the clauses alone, per metre: K of φ' 30° behind it (M2: 24.79°, 0.4091), γG,sup on the soil
    // whatever the other permanent actions take, what stands on it leading or not, on the heel or beyond it.
    [Theory]
    [InlineData(1, 0.769246, "C:SURCHARGE-WALL", 0.479324, "C:Q:SURCHARGE-WALL")]
    [InlineData(2, 0.712300, "B:Ginf:SURCHARGE-WALL", 0.351914, "B:Ginf:Q:SURCHARGE-WALL")]
    public void Soil_behind_a_wall_worked_apart(int approach, double slides, string slidesIn, double bears, string bearsIn)
    {
        using var f = new Folder();
        f["plinth.toml"] = $$"""
            [project]
            name = "Wall"
            code = "aci318m-19"
            [loads]
            standard = "en1990"
            design-approach = {{approach}}
            [cases]
            G = "G"
            Q = { symbol = "Q", category = "B" }
            [ground]
            design = "en1997"
            founding-depth = "0.9 m"
            soil-weight = "18 kN/m3"
            [ground.strength]
            friction-angle = "32 deg"
            critical-angle = "30 deg"
            [concrete]
            strength = "30 MPa"
            weight = "25 kN/m3"
            [steel]
            yield = "420 MPa"
            [[foundation]]
            mark = "WF1"
            kind = "wall"
            supports = ["W1"]
            heel = "1.8 m"
            toe = "0.75 m"
            thickness = "400 mm"
            retained = { side = "+y", height = "3.0 m", friction-angle = "30 deg", pressure = "active", surcharge = "10 kPa" }
            stem = { height = "3.0 m" }
            """;
        f["supports.csv"] = "support,shape,x (m),y (m),x2 (m),y2 (m),cx (m)\nW1,wall,0,0,6,0,0.25\n";
        f["reactions.csv"] = "support,case,Fz (kN)\nW1,G,120\nW1,Q,60\n";
        f.Run("size").Exit.Should().Be(0);
        var checks = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0].GetProperty("checks").EnumerateArray()
            .Where(c => c.GetProperty("id").GetString() is "sliding" or "bearing" or "overturning-y")
            .ToDictionary(c => c.GetProperty("id").GetString()!, c => (c.GetProperty("utilisation").GetDouble(),
                c.GetProperty("combination").GetString()!.Split(',')[0]));
        checks["sliding"].Item1.Should().BeApproximately(slides, 1e-5);
        checks["sliding"].Item2.Should().Be(slidesIn);
        checks["bearing"].Item1.Should().BeApproximately(bears, 1e-5);
        checks["bearing"].Item2.Should().Be(bearsIn);
        checks["overturning-y"].Item1.Should().BeApproximately(0.377903, 1e-5, "EQU: 1.1 on the soil, φ' divided by 1.25, 0.9 on what holds");
        f.Run("show", "WF1", "sliding").Out.Should().Contain("φ'k").And.Contain("E[EARTH]");
    }

    // A ground that replaces the strength it would inherit must say again what holds a base against sliding: nothing stated holds nothing.
    [Theory]
    [InlineData("[grounds.fill]\nbearing-resistance = \"300 kPa\"\n[concrete]", @"\[grounds.fill\] needs \[ground.strength\] critical-angle")]
    [InlineData("[[foundation]]\nsupports = [\"C1\"]\nground.bearing-resistance = \"300 kPa\"\n[concrete]", "needs .*critical-angle")]
    public void Every_ground_says_what_holds_a_base_in_its_place(string ground, string message)
    {
        using var f = European(strength: "[ground.strength]\nundrained = \"120 kPa\"\n");
        f.Run("size").Exit.Should().Be(0, "the undrained strength holds it");
        File.Delete(Path.Combine(f.Path, "adopted.toml"));
        f.Replace("plinth.toml", "[concrete]", ground);
        var ran = f.Run("size");
        ran.Exit.Should().Be(2, ran.Error + ran.Out);
        ran.Error.Should().MatchRegex(@"plinth\.toml:\d+:\d+: error: .*" + message);
    }

    [Fact]
    public void Loads_of_another_standard_have_no_limit_states()
    {
        using var f = new Folder();
        f.Replace("plinth.toml", "[ground]", "[ground]\ndesign = \"en1997\"");
        f.Run("size").Error.Should().Contain("takes the limit states of EN 1990, and ASCE 7-22 has none");
    }
}
