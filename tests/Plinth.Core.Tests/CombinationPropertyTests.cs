using CsCheck;
using Plinth.Core.Loads;

namespace Plinth.Core.Tests;

/// <summary>What must hold for the combinations of any cases under any standard.</summary>
public class CombinationPropertyTests
{
    private static readonly string[] Standards = ["asce7-10", "asce7-16", "asce7-22", "en1990"];

    private static readonly LoadCase[] American =
    [
        new("DEAD", LoadSymbol.D), new("SDL", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("L1", LoadSymbol.L, Alternatives: "pattern"),
        new("L2", LoadSymbol.L, Alternatives: "pattern"), new("ROOF", LoadSymbol.Lr), new("SNOW", LoadSymbol.S), new("RAIN", LoadSymbol.R),
        new("WX", LoadSymbol.W, true), new("WY", LoadSymbol.W), new("EX", LoadSymbol.E, true) { Direction = PlanAxis.X },
        new("EY", LoadSymbol.E, true) { Direction = PlanAxis.Y }, new("EARTH", LoadSymbol.H, Permanent: true), new("TANK", LoadSymbol.F),
        new("HEAT", LoadSymbol.T),
    ];

    private static readonly LoadCase[] European =
    [
        new("G1", LoadSymbol.G), new("G2", LoadSymbol.G), new("OFFICE", LoadSymbol.Q) { Category = "B" },
        new("STORE", LoadSymbol.Q) { Category = "E" }, new("ROOF", LoadSymbol.Q) { Category = "H" }, new("SNOW", LoadSymbol.S),
        new("WX", LoadSymbol.W, true), new("WY", LoadSymbol.W), new("HEAT", LoadSymbol.T, true), new("HIT", LoadSymbol.A),
        new("EX", LoadSymbol.E, true) { Direction = PlanAxis.X }, new("EY", LoadSymbol.E, true) { Direction = PlanAxis.Y },
    ];

    // A standard, some of its cases in some order, and options.
    private static readonly Gen<(string Standard, LoadCase[] Cases, LoadOptions Options)> Projects =
        Gen.Select(Gen.Int[0, 3], Gen.Int[1, (1 << 15) - 1], Gen.Int[0, int.MaxValue], Gen.Bool, Gen.Bool)
            .Select((s, subset, seed, notActing, orthogonal) =>
        {
            var all = Standards[s] == "en1990" ? European : American;
            var some = all.Where((_, i) => i == 0 || (subset & (1 << i)) != 0).ToArray();
            new Random(seed).Shuffle(some);
            return (Standards[s], some,
                new LoadOptions(Sds: 0.3, Redundancy: 1.3) { LoadsNotActing = notActing, Orthogonal = orthogonal ? 0.3 : 0 });
        });

    private static CombinationSet Build(string standard, LoadCase[] cases, LoadOptions options) =>
        CombinationBuilder.Build(LoadStandards.Find(standard)!, cases, options, []);

    private static Dictionary<string, string> ByName(CombinationSet set, LoadCase[] cases) =>
        set.Used.ToDictionary(c => c.Name,
            c => string.Join(' ',
                c.Terms.Select(
                    t => FormattableString.Invariant($"{cases[t.Case].Name}*{t.Factor:0.######}/{t.Tips:0.######}/{t.Holds:0.######}"))
                    .Order(StringComparer.Ordinal)) + FormattableString.Invariant($" w{c.WeightFactor:0.######} {c.For}"));

    [Fact]
    public void Names_are_unique_and_no_combination_stands_twice() => Projects.Sample(p =>
    {
        var set = Build(p.Standard, p.Cases, p.Options);
        set.Used.Should().NotBeEmpty();
        set.Used.Select(c => c.Name).Should().OnlyHaveUniqueItems();
        set.Used.Select(c => (string.Join(' ', c.Terms), c.For, c.WeightFactor, c.State, c.Counteracting)).Should().OnlyHaveUniqueItems();
        set.Used.Should().OnlyContain(c => c.For != Family.None && c.Clause != null && c.Rule.Length > 0
            && c.Terms.All(t => t.Factor != 0));
    }, iter: 200);

    [Fact]
    public void The_order_of_cases_changes_nothing() => Projects.Sample(p =>
    {
        var sorted = p.Cases.OrderBy(c => c.Name, StringComparer.Ordinal).ToArray();
        var (a, b) = (ByName(Build(p.Standard, p.Cases, p.Options), p.Cases), ByName(Build(p.Standard, sorted, p.Options), sorted));

        // Alternatives are named by what was taken, so names agree but for the order of patterns that are equal.
        a.Values.Order().Should().Equal(b.Values.Order());
    }, iter: 100);

    [Fact]
    public void A_case_more_renames_no_combination_and_moves_no_factor() => Gen.Select(Projects, Gen.Int[0, 14]).Sample((p, left) =>
    {
        var less = p.Cases.Where((c, i) => i != left % p.Cases.Length || c.Symbol is LoadSymbol.D or LoadSymbol.G).ToArray();
        var without = p.Cases.Except(less).FirstOrDefault();
        var (before, after) = (ByName(Build(p.Standard, less, p.Options), less), ByName(Build(p.Standard, p.Cases, p.Options), p.Cases));
        foreach (var (name, factors) in before)
        {
            // A load that adds to others of its symbol joins them; an earthquake of the other direction joins where they act together.
            if (after.TryGetValue(name, out var then) && without is not null
                && !then.Contains(without.Name + "*", StringComparison.Ordinal))
            {
                then.Should().Be(factors, name);
            }
        }
    }, iter: 200);

    [Fact]
    public void Winds_exclude_each_other_and_so_do_earthquakes_of_one_direction_and_patterns() => Projects.Sample(p =>
    {
        foreach (var c in Build(p.Standard, p.Cases, p.Options).Used)
        {
            LoadCase[] own = [.. c.Terms.Select(t => p.Cases[t.Case])];
            own.Count(x => x.Symbol == LoadSymbol.W).Should().BeLessThanOrEqualTo(1, c.Name);
            own.Where(x => x.Symbol == LoadSymbol.E).GroupBy(x => x.Direction).Should().OnlyContain(g => g.Count() == 1, c.Name);
            own.Where(x => x.Alternatives is not null).GroupBy(x => x.Alternatives).Should().OnlyContain(g => g.Count() == 1, c.Name);
            (own.Any(x => x.Symbol == LoadSymbol.W) && own.Any(x => x.Symbol == LoadSymbol.E)).Should().BeFalse(c.Name);
            own.Should().NotContain(x => p.Standard != "en1990" && x.Symbol == LoadSymbol.T, "T stands in own combinations alone");
            (own.Any(x => x.Category == "H") && own.Any(x => x.Symbol is LoadSymbol.S or LoadSymbol.W)).Should().BeFalse(c.Name);
            c.Transient.Should().Be(own.Any(x => x.Symbol is LoadSymbol.W or LoadSymbol.E or LoadSymbol.A), c.Name);
        }
    }, iter: 100);

    [Fact]
    public void Dead_load_is_whole_in_every_combination_and_weights_go_with_it() => Projects.Sample(p =>
    {
        foreach (var c in Build(p.Standard, p.Cases, p.Options).Used)
        {
            var dead = Enumerable.Range(0, p.Cases.Length).Where(k => p.Cases[k].Symbol is LoadSymbol.D or LoadSymbol.G).ToList();
            c.Terms.Where(t => dead.Contains(t.Case)).Select(t => t.Factor).Should().Equal(dead.Select(_ => c.WeightFactor), c.Name);
        }
    }, iter: 100);
}
