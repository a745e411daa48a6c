using CsCheck;
using Plinth.Core.Loads;

namespace Plinth.Core.Tests;

/// <summary>
/// What the standards leave to the project: companions left out, orthogonal earthquakes, unsigned results, reductions, results combined
/// beforehand; and the envelope.
/// </summary>
public class LoadOptionTests
{
    private static readonly LoadCase[] Quakes =
    [
        new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("SNOW", LoadSymbol.S),
        new("EX", LoadSymbol.E, true) { Direction = PlanAxis.X }, new("EY", LoadSymbol.E, true) { Direction = PlanAxis.Y },
    ];

    private static CombinationSet Build(LoadCase[] cases, LoadOptions options, string standard = "asce7-22", params OwnCombination[] own) =>
        CombinationBuilder.Build(LoadStandards.Find(standard)!, cases, options, own);

    private static string Factors(CombinationSet set, LoadCase[] cases, string name) =>
        string.Join(" ",
            set.Used.Single(c => c.Name == name).Terms.Select(t => FormattableString.Invariant($"{t.Factor:0.####}{cases[t.Case].Name}")));

    [Fact]
    public void Orthogonal_takes_a_share_of_the_other_direction_with_both_signs_in_place_of_the_case_alone()
    {
        var set = Build(Quakes, new LoadOptions(Redundancy: 1.3) { Orthogonal = 0.3 });
        set.Used.Where(c => c.Name.StartsWith("U7", StringComparison.Ordinal)).Select(c => c.Name).Should().Equal(
            "U7:+EX:0.3EY+", "U7:+EX:0.3EY-", "U7:-EX:0.3EY+", "U7:-EX:0.3EY-", "U7:+EY:0.3EX+", "U7:+EY:0.3EX-", "U7:-EY:0.3EX+",
            "U7:-EY:0.3EX-");
        Factors(set, Quakes, "U7:-EX:0.3EY+").Should().Be("0.9DEAD -1.3EX 0.39EY");
        Factors(set, Quakes, "S10:+EY:0.3EX-").Should().Be("0.6DEAD -0.273EX 0.91EY");
    }

    [Fact]
    public void Loads_that_do_not_act_are_left_out_in_turn_but_never_the_one_it_is_about()
    {
        var set = Build(Quakes, new LoadOptions { LoadsNotActing = true });
        set.Used.Select(c => c.Name).Should().Contain(["U6:+EX", "U6:+EX:noL", "U6:+EX:noS", "U6:+EX:noL:noS", "U2:S", "U2:noroof"]);
        Factors(set, Quakes, "U6:+EX:noL").Should().Be("1.2DEAD 0.15SNOW 1EX");
        Factors(set, Quakes, "U2:noroof").Should().Be("1.2DEAD 1.6LIVE");
        set.Used.Should().NotContain(c => c.Name.StartsWith("U2", StringComparison.Ordinal) && !c.Terms.Any(t => t.Case == 1),
            "U2 is about L");
        Build(Quakes, new LoadOptions()).Used.Select(c => c.Name)
            .Should().BeSubsetOf(set.Used.Select(c => c.Name), "an option renames nothing");
    }

    [Fact]
    public void Overturning_is_reduced_in_service_stability_and_nowhere_else()
    {
        var set = Build(Quakes, new LoadOptions { OverturningReduction = 0.25 });
        var service = set.Used.Single(c => c.Name == "S8:+EX").Terms.Single(t => t.Case == 3);
        service.Should().Be(new Term(3, 0.7, 0.7 * 0.75, 0.7 * 0.75), "bearing and sliding keep the whole (12.13.4 is about overturning)");
        set.Used.Single(c => c.Name == "U6:+EX").Terms.Single(t => t.Case == 3).Should().Be(new Term(3, 1));
    }

    [Fact]
    public void Vertical_earthquake_may_be_dropped_at_the_soil_where_it_counteracts()
    {
        var with = Build(Quakes, new LoadOptions(Sds: 1));
        var without = Build(Quakes, new LoadOptions(Sds: 1) { VerticalAtSoil = false });
        Factors(with, Quakes, "S10:+EX").Should().Be("0.46DEAD 0.7EX");
        Factors(without, Quakes, "S10:+EX").Should().Be("0.6DEAD 0.7EX");
        Factors(without, Quakes, "U7:+EX").Should().Be(Factors(with, Quakes, "U7:+EX"));
        Factors(without, Quakes, "S8:+EX").Should().Be(Factors(with, Quakes, "S8:+EX"));
    }

    [Fact]
    public void Unsigned_results_act_with_every_pattern_of_signs()
    {
        var variants = new LoadCase("RS", LoadSymbol.E, true).SpectrumVariants().ToArray();
        variants.Select(v => v.Name).Should().Equal("RS[++]", "RS[+-]", "RS[-+]", "RS[--]");
        variants.Should().OnlyContain(v => v.Source == "RS" && v.Reversible);
        LoadCase[] cases = [new("D", LoadSymbol.D), .. variants];
        Build(cases, new LoadOptions()).Used.Count(c => c.Name.StartsWith("U7", StringComparison.Ordinal)).Should().Be(8);
        var unsigned = new SupportAction(10, 2, 3, 4, 5, 1);
        variants[0].Signs!.Of(unsigned).Should().Be(new SupportAction(10, 2, 3, -4, 5, 1), "shear and moment of a pair tip the same way");
        variants[2].Signs!.Of(-1 * unsigned).Should().Be(new SupportAction(10, -2, 3, -4, -5, 1), "signs in the result are not read");
    }

    [Fact]
    public void Results_combined_beforehand_stand_as_they_are()
    {
        LoadCase[] cases = [new("D", LoadSymbol.D),
            new("COMB 12", null) { Combined = new CombinedResult(Family.Ground | Family.Stability, 0.6, true) }];
        var set = Build(cases, new LoadOptions(), "own");
        var c = set.Used.Single();
        (c.Name, c.For, c.WeightFactor, c.Transient, c.Counteracting).Should().Be(("COMB 12", Family.Ground | Family.Stability, 0.6, true,
            false));
        c.Terms.Should().Equal(new Term(1, 1));
        cases[1].IsPermanent.Should().BeTrue("it resists as a whole");
    }

    [Fact]
    public void The_envelope_keeps_every_extreme_and_drops_only_means()
    {
        Gen.Select(Gen.Double[-100, 100].Array[5], Gen.Double[-100, 100].Array[5], Gen.Double[-100, 100].Array[5],
            Gen.Double[-100, 100].Array[5], Gen.Double[-100, 100].Array[5]).Sample((a, b, c, d, e) =>
        {
            SupportAction[] actions = [.. new[] { a, b, c, d, e }.Select(v => new SupportAction(v[0], v[1], v[2], v[3], v[4], 0))];
            var set = Build(Quakes, new LoadOptions(Sds: 0.2) { Orthogonal = 0.3 });
            var kept = Envelope.Find(set, Quakes, actions).ToDictionary(x => x.Index, x => x.For);
            foreach (var family in new[] { Family.Ground, Family.Concrete })
            {
                // Any direction's highest value over all combinations of a kind is reached by one that was kept.
                foreach (var kind in set.For(family).ToArray()
                    .GroupBy(k => (set.Used[k].For, set.Used[k].Transient, set.Used[k].Counteracting)))
                {
                    double Of(int k) =>
                        set.Used[k].Terms.Sum(t => t.Factor * ((actions[t.Case].N * a[0]) + (actions[t.Case].Fx * b[1])
                            + (actions[t.Case].My * c[2]) - (actions[t.Case].Mx * d[3]))) + (set.Used[k].WeightFactor * e[4]);
                    var most = kind.Max(Of);
                    kind.Where(k => kept.TryGetValue(k, out var f) && (f & family) != 0).Max(Of)
                        .Should().BeApproximately(most, 1e-6 * (1 + Math.Abs(most)));
                }
            }
        }, iter: 50);
    }

    [Fact]
    public void A_point_within_a_square_is_no_vertex()
    {
        List<(int, double[])> points = [(0, [0, 0]), (1, [1, 0]), (2, [0, 1]), (3, [1, 1]), (4, [0.5, 0.5]), (5, [0.5, 0]), (6, [1, 1])];
        Envelope.Outside(points).Should().Equal(0, 1, 2, 3);
    }
}
