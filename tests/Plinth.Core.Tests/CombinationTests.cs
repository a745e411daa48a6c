using Plinth.Core.Loads;

namespace Plinth.Core.Tests;

/// <summary>Combinations, written down from the text of ASCE 7 and compared with what is generated.</summary>
public class CombinationTests
{
    private static readonly LoadCase[] Building =
    [
        new("DEAD", LoadSymbol.D), new("SDL", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("ROOF", LoadSymbol.Lr),
        new("SNOW", LoadSymbol.S),
        new("WX", LoadSymbol.W, Reversible: true), new("EX", LoadSymbol.E, Reversible: true),
    ];

    private static CombinationSet Build(string standard, IReadOnlyList<LoadCase> cases, LoadOptions? options = null,
        params OwnCombination[] own) =>
        CombinationBuilder.Build(LoadStandards.Find(standard)!, cases, options ?? new LoadOptions(), own);

    private static string Factors(CombinationSet set, IReadOnlyList<LoadCase> cases, string name) =>
        string.Join(" ",
            set.Used.Single(c => c.Name == name).Terms.Select(t => FormattableString.Invariant($"{t.Factor:0.####}{cases[t.Case].Name}")));

    // ASCE 7-16 2.3.1, 2.3.6, 2.4.1, 2.4.5 and the same of 7-22, by hand.
    [Theory]
    [InlineData("U1", "1.4DEAD 1.4SDL", "1.4DEAD 1.4SDL")]
    [InlineData("U2:Lr", "1.2DEAD 1.2SDL 1.6LIVE 0.5ROOF", "1.2DEAD 1.2SDL 1.6LIVE 0.5ROOF")]
    [InlineData("U2:S", "1.2DEAD 1.2SDL 1.6LIVE 0.5SNOW", "1.2DEAD 1.2SDL 1.6LIVE 0.3SNOW")]
    [InlineData("U3:Lr:L", "1.2DEAD 1.2SDL 1LIVE 1.6ROOF", "1.2DEAD 1.2SDL 1LIVE 1.6ROOF")]
    [InlineData("U3:S:-WX", "1.2DEAD 1.2SDL 1.6SNOW -0.5WX", "1.2DEAD 1.2SDL 1SNOW -0.5WX")]
    [InlineData("U4:+WX:S", "1.2DEAD 1.2SDL 1LIVE 0.5SNOW 1WX", "1.2DEAD 1.2SDL 1LIVE 0.3SNOW 1WX")]
    [InlineData("U5:-WX", "0.9DEAD 0.9SDL -1WX", "0.9DEAD 0.9SDL -1WX")]
    [InlineData("U6:+EX", "1.2DEAD 1.2SDL 1LIVE 0.2SNOW 1EX", "1.2DEAD 1.2SDL 1LIVE 0.15SNOW 1EX")]
    [InlineData("U7:-EX", "0.9DEAD 0.9SDL -1EX", "0.9DEAD 0.9SDL -1EX")]
    [InlineData("S1", "1DEAD 1SDL", "1DEAD 1SDL")]
    [InlineData("S2", "1DEAD 1SDL 1LIVE", "1DEAD 1SDL 1LIVE")]
    [InlineData("S3:S", "1DEAD 1SDL 1SNOW", "1DEAD 1SDL 0.7SNOW")]
    [InlineData("S4:S", "1DEAD 1SDL 0.75LIVE 0.75SNOW", "1DEAD 1SDL 0.75LIVE 0.525SNOW")]
    [InlineData("S4:Lr", "1DEAD 1SDL 0.75LIVE 0.75ROOF", "1DEAD 1SDL 0.75LIVE 0.75ROOF")]
    [InlineData("S5:+WX", "1DEAD 1SDL 0.6WX", "1DEAD 1SDL 0.6WX")]
    [InlineData("S6:-WX:S", "1DEAD 1SDL 0.75LIVE 0.75SNOW -0.45WX", "1DEAD 1SDL 0.75LIVE 0.525SNOW -0.45WX")]
    [InlineData("S7:+WX", "0.6DEAD 0.6SDL 0.6WX", "0.6DEAD 0.6SDL 0.6WX")]
    [InlineData("S8:+EX", "1DEAD 1SDL 0.7EX", "1DEAD 1SDL 0.7EX")]
    [InlineData("S9:+EX", "1DEAD 1SDL 0.75LIVE 0.75SNOW 0.525EX", "1DEAD 1SDL 0.75LIVE 0.1SNOW 0.525EX")]
    [InlineData("S10:-EX", "0.6DEAD 0.6SDL -0.7EX", "0.6DEAD 0.6SDL -0.7EX")]
    public void Factors_of_the_standard(string name, string in16, string in22)
    {
        Factors(Build("asce7-16", Building), Building, name).Should().Be(in16);
        Factors(Build("asce7-22", Building), Building, name).Should().Be(in22);
    }

    [Fact]
    public void Every_expected_name_and_no_other() =>
        Build("asce7-22", Building).Used.Select(c => c.Name).Should().Equal(
            "U1", "U2:Lr", "U2:S", "U3:Lr:L", "U3:Lr:+WX", "U3:Lr:-WX", "U3:S:L", "U3:S:+WX", "U3:S:-WX",
            "U4:+WX:Lr", "U4:+WX:S", "U4:-WX:Lr", "U4:-WX:S", "U5:+WX", "U5:-WX", "U6:+EX", "U6:-EX", "U7:+EX", "U7:-EX",
            "S1", "S2", "S3:Lr", "S3:S", "S4:Lr", "S4:S", "S5:+WX", "S5:-WX", "S6:+WX:Lr", "S6:+WX:S", "S6:-WX:Lr", "S6:-WX:S", "S7:+WX",
            "S7:-WX", "S8:+EX", "S8:-EX", "S9:+EX", "S9:-EX", "S10:+EX", "S10:-EX");

    [Fact]
    public void Adding_a_case_renames_no_other()
    {
        var before = Build("asce7-22", Building);
        LoadCase[] more = [.. Building, new("WY", LoadSymbol.W, Reversible: true), new("RAIN", LoadSymbol.R)];
        var after = Build("asce7-22", more);
        foreach (var c in before.Used)
        {
            Factors(after, more, c.Name).Should().Be(Factors(before, Building, c.Name));
        }
    }

    [Fact]
    public void Vertical_earthquake_and_redundancy_go_into_the_factors()
    {
        var set = Build("asce7-16", Building, new LoadOptions(Sds: 0.5, Redundancy: 1.3, LiveCompanion: 0.5));
        Factors(set, Building, "U6:+EX").Should().Be("1.3DEAD 1.3SDL 0.5LIVE 0.2SNOW 1.3EX");
        Factors(set, Building, "U7:+EX").Should().Be("0.8DEAD 0.8SDL 1.3EX");
        Factors(set, Building, "S8:+EX").Should().Be("1.07DEAD 1.07SDL 0.91EX");
        Factors(set, Building, "S10:+EX").Should().Be("0.53DEAD 0.53SDL 0.91EX");
        Factors(set, Building, "U4:+WX:S").Should().Be("1.2DEAD 1.2SDL 0.5LIVE 0.5SNOW 1WX");
        Factors(set, Building, "U2:S").Should().StartWith("1.2DEAD 1.2SDL 1.6LIVE", "1.6L is no companion");
        set.Used.Single(c => c.Name == "S10:+EX").WeightFactor.Should().BeApproximately(0.53, 1e-12,
            "the base's own weight is a dead load");
    }

    [Fact]
    public void Flags_and_families()
    {
        var set = Build("asce7-22", Building);
        Combination Of(string name) => set.Used.Single(c => c.Name == name);
        Of("S7:+WX").Counteracting.Should().BeTrue();
        Of("S10:+EX").Counteracting.Should().BeTrue();
        Of("U5:+WX").Counteracting.Should().BeFalse("least factors are a matter of service combinations");
        Of("S5:+WX").Transient.Should().BeTrue();
        Of("S4:S").Transient.Should().BeFalse();
        Of("S4:S").For.Should().Be(Family.Ground | Family.Stability | Family.Settlement);
        Of("S5:+WX").For.Should().Be(Family.Ground | Family.Stability);
        Of("U2:S").For.Should().Be(Family.Concrete);
    }

    [Fact]
    public void What_lost_its_load_is_left_out_and_said()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L)];
        var set = Build("asce7-22", cases);
        set.Used.Select(c => c.Name).Should().Equal("U1", "U2", "S1", "S2");
        set.Dropped.Select(d => d.Name).Should().Equal("U3", "U4", "U5", "U6", "U7", "S3", "S4", "S5", "S6", "S7", "S8", "S9", "S10");
        set.Dropped.Single(d => d.Name == "S4").Reason.Should().Contain("fewer than two variable loads");
    }

    [Fact]
    public void Earth_pressure_has_three_variants()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("EARTH", LoadSymbol.H, Permanent: true)];
        var set = Build("asce7-16", cases);
        Factors(set, cases, "U1:H+").Should().Be("1.4DEAD 1.6EARTH");
        Factors(set, cases, "U1:H-").Should().Be("1.4DEAD 0.9EARTH");
        Factors(set, cases, "S1:H-").Should().Be("1DEAD 0.6EARTH");
        Factors(set, cases, "S1:H+").Should().Be("1DEAD 1EARTH");
        Factors(set, cases, "U1").Should().Be("1.4DEAD");
    }

    [Fact]
    public void Fluids_take_the_factor_printed_on_dead_load_but_not_beside_0_9D_plus_W()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("TANK", LoadSymbol.F), new("WX", LoadSymbol.W), new("EX", LoadSymbol.E)];
        var set = Build("asce7-16", cases, new LoadOptions(Sds: 1));
        Factors(set, cases, "U5:+WX").Should().Be("0.9DEAD 1WX");
        Factors(set, cases, "S7:+WX").Should().Be("0.6DEAD 0.6WX");
        Factors(set, cases, "U7:+EX").Should().Be("0.7DEAD 0.9TANK 1EX", "Ev is no part of F's factor");
        Factors(set, cases, "U1").Should().Be("1.4DEAD 1.4TANK");
    }

    [Fact]
    public void Alternatives_exclude_each_other_and_are_named()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("L0", LoadSymbol.L), new("LA", LoadSymbol.L, Alternatives: "pattern"),
            new("LB", LoadSymbol.L, Alternatives: "pattern")];
        var set = Build("asce7-22", cases);
        set.Used.Select(c => c.Name).Should().Equal("U1", "U2:LA", "U2:LB", "S1", "S2:LA", "S2:LB");
        Factors(set, cases, "U2:LB").Should().Be("1.2DEAD 1.6L0 1.6LB");
    }

    [Fact]
    public void Own_combinations_expand_wind_by_symbol_and_keep_a_case_as_written()
    {
        var bySymbol = new OwnCombination("flood", Family.Ground,
            new Dictionary<LoadSymbol, double> { [LoadSymbol.D] = 0.6, [LoadSymbol.W] = 1.0 }, new Dictionary<string, double>(), null, null,
            null);
        var byCase = new OwnCombination("gust", Family.Ground, new Dictionary<LoadSymbol, double> { [LoadSymbol.D] = 0.6 },
            new Dictionary<string, double> { ["WX"] = -1.2 }, 0.5, null, 1.0);
        var set = Build("own", Building, null, bySymbol, byCase);
        set.Used.Select(c => c.Name).Should().Equal("flood:+WX", "flood:-WX", "gust");
        Factors(set, Building, "gust").Should().Be("0.6DEAD 0.6SDL -1.2WX");
        var gust = set.Used.Single(c => c.Name == "gust");
        gust.WeightFactor.Should().Be(0.5);
        gust.Counteracting.Should().BeTrue("a least factor of its own makes it so");
        set.Used[0].WeightFactor.Should().Be(0.6);
        set.Used[0].Transient.Should().BeTrue();
    }

    [Fact]
    public void Weights_must_be_given_where_dead_cases_differ()
    {
        var own = new OwnCombination("x", Family.Ground, new Dictionary<LoadSymbol, double>(),
            new Dictionary<string, double> { ["DEAD"] = 1, ["SDL"] = 0 }, null, null, null);
        CombinationBuilder.WeightsOf(own, Building).Should().BeNull();
        CombinationBuilder.WeightsOf(own with { Weights = 1 }, Building).Should().Be(1);
    }
}
