using System.Globalization;
using System.Text.RegularExpressions;
using Plinth.Core.Loads;

namespace Plinth.Core.Tests;

/// <summary>
/// Every combination of every load standard for one building, against lists written from the standards' own text: ASCE 7-10 2.3.2, 2.4.1
/// and 12.4.2.3;
/// 7-16 and 7-22 2.3.1, 2.3.6, 2.4.1, 2.4.5; EN 1990 6.4.3, 6.5.3, tables A1.1 and A1.2; EN 1997-1 table A.15. None of the product's rules
/// is read here.
/// </summary>
public class StandardListingTests
{
    /// <summary>The building that docs/combinations.md lists: D, L, Lr, S, two winds and two earthquakes with both signs.</summary>
    internal static readonly LoadCase[] American =
    [
        new("D", LoadSymbol.D), new("L", LoadSymbol.L), new("Lr", LoadSymbol.Lr), new("S", LoadSymbol.S),
        new("WX", LoadSymbol.W, true), new("WY", LoadSymbol.W, true), new("EX", LoadSymbol.E, true), new("EY", LoadSymbol.E, true),
    ];

    /// <summary>The same building in the symbols of EN 1990: offices, category B; roof, category H.</summary>
    internal static readonly LoadCase[] European =
    [
        new("G", LoadSymbol.G), new("Q", LoadSymbol.Q) { Category = "B" }, new("ROOF", LoadSymbol.Q) { Category = "H" },
        new("S", LoadSymbol.S),
        new("WX", LoadSymbol.W, true), new("WY", LoadSymbol.W, true), new("EX", LoadSymbol.E, true), new("EY", LoadSymbol.E, true),
    ];

    // SDS 0.25 and ρ 1.3, so that 0.2·SDS = 0.05 and nothing hides behind a factor of one.
    private const double Rho = 1.3;

    private static readonly string[] Strength10 =
    [
        "1.4D", "1.2D+1.6L+0.5(Lr|S)", "1.2D+1.6(Lr|S)+(1L|0.5W)", "1.2D+1.0W+1.0L+0.5(Lr|S)", "1.25D+1.3E+1.0L+0.2S", "0.9D+1.0W",
        "0.85D+1.3E",
    ];

    private static readonly string[] Service10 =
    [
        "1D", "1D+1L", "1D+1(Lr|S)", "1D+0.75L+0.75(Lr|S)", "1D+0.6W", "1.035D+0.91E", "1D+0.75L+0.45W+0.75(Lr|S)",
        "1.025D+0.75L+0.6825E+0.75S", "0.6D+0.6W", "0.565D+0.91E",
    ];

    private static readonly string[] Strength16 =
    [
        "1.4D", "1.2D+1.6L+0.5(Lr|S)", "1.2D+1.6(Lr|S)+(1L|0.5W)", "1.2D+1.0W+1.0L+0.5(Lr|S)", "0.9D+1.0W", "1.25D+1.3E+1.0L+0.2S",
        "0.85D+1.3E",
    ];

    private static readonly string[] Service16 =
    [
        "1D", "1D+1L", "1D+1(Lr|S)", "1D+0.75L+0.75(Lr|S)", "1D+0.6W", "1D+0.75L+0.45W+0.75(Lr|S)", "0.6D+0.6W", "1.035D+0.91E",
        "1.02625D+0.75L+0.6825E+0.75S", "0.565D+0.91E",
    ];

    private static readonly string[] Strength22 =
    [
        "1.4D", "1.2D+1.6L+(0.5Lr|0.3S)", "1.2D+(1.6Lr|1.0S)+(1L|0.5W)", "1.2D+1.0W+1.0L+(0.5Lr|0.3S)", "0.9D+1.0W",
        "1.25D+1.3E+1.0L+0.15S", "0.85D+1.3E",
    ];

    private static readonly string[] Service22 =
    [
        "1D", "1D+1L", "1D+(1Lr|0.7S)", "1D+0.75L+(0.75Lr|0.525S)", "1D+0.6W", "1D+0.75L+0.45W+(0.75Lr|0.525S)", "0.6D+0.6W",
        "1.035D+0.91E", "1.02625D+0.75L+0.6825E+0.1S", "0.565D+0.91E",
    ];

    public static TheoryData<string, string[], string[]> Editions => new()
    {
        { "asce7-10", Strength10, Service10 },
        { "asce7-16", Strength16, Service16 },
        { "asce7-22", Strength22, Service22 },
    };

    [Theory]
    [MemberData(nameof(Editions))]
    public void Asce7_has_these_and_no_others(string id, string[] strength, string[] service)
    {
        var set = CombinationBuilder.Build(LoadStandards.Find(id)!, American, new LoadOptions(Sds: 0.25, Redundancy: Rho), []);
        Lines(set, American, c => c.IsFor(Family.Concrete)).Should().BeEquivalentTo(strength.SelectMany(Expand).Distinct());
        Lines(set, American, c => c.IsFor(Family.Ground)).Should().BeEquivalentTo(service.SelectMany(Expand).Distinct());
        set.Used.Where(c => c.IsFor(Family.Ground)).Should().OnlyContain(c => c.IsFor(Family.Stability));
        set.Used.Should().OnlyContain(c => c.Terms[0].Factor == c.WeightFactor, "the base is a dead load");
        set.Used.Where(c => c.Counteracting).Should().OnlyContain(c => c.IsFor(Family.Stability) && c.WeightFactor < 0.61);
    }

    public static TheoryData<int, bool> Approaches => new() { { 1, false }, { 1, true }, { 2, false }, { 2, true }, { 3, false } };

    [Theory]
    [MemberData(nameof(Approaches))]
    public void En1990_has_these_and_no_others(int approach, bool split)
    {
        var set = CombinationBuilder.Build(LoadStandards.Find("en1990")!, European,
            new LoadOptions { Eurocode = new EurocodeOptions { DesignApproach = approach, SplitExpression = split } }, []);
        IEnumerable<string> Of(LimitState state) => Lines(set, European, c => c.State == state);

        // Table A1.2(B): 1.35 and 1.00 on G, 1.50 on Q; 6.10a reduces the leading action, 6.10b the permanent ones by 0.85.
        var b = split
            ? Fundamental(1.35, 1.5, leadReduced: true).Concat(Fundamental(1.0, 1.5, leadReduced: true))
                .Concat(Fundamental(1.35 * 0.85, 1.5)).Concat(Fundamental(1.0, 1.5))
            : Fundamental(1.35, 1.5).Concat(Fundamental(1.0, 1.5));
        Of(LimitState.SetB).Should().BeEquivalentTo(b.Distinct());
        Of(LimitState.SetC).Should().BeEquivalentTo(approach == 1 ? Fundamental(1.0, 1.3).Distinct() : []);
        Of(LimitState.Equ).Should().BeEquivalentTo(Fundamental(0.9, 1.5).Distinct());
        Of(LimitState.Upl).Should().BeEquivalentTo(Fundamental(0.9, 1.5).Distinct());
        set.Used.Where(c => c.State == LimitState.Equ)
            .Should().OnlyContain(c => c.Terms[0].Tips == 1.10 && c.Terms[0].Holds == 0.90 && c.WeightFactor == 0.90);
        set.Used.Where(c => c.State == LimitState.Upl).Should().OnlyContain(c => c.Terms[0].Tips == 1.00 && c.Terms[0].Holds == 0.90);

        // Characteristic: ψ0 beside the leading one; frequent: ψ1 on it, ψ2 beside; quasi-permanent: ψ2 on all. Snow and wind have ψ2 = 0.
        Of(LimitState.Characteristic).Should().BeEquivalentTo(Fundamental(1, 1).Distinct());
        Of(LimitState.Frequent)
            .Should().BeEquivalentTo(["G*1", "G*1 Q*0.5", "G*1 S*0.2", "G*1 Q*0.3 S*0.2",
                .. Winds(0.2).SelectMany(w => new[] { $"G*1 {w}", $"G*1 Q*0.3 {w}" })]);
        Of(LimitState.QuasiPermanent).Should().BeEquivalentTo("G*1", "G*1 Q*0.3");
        Of(LimitState.Seismic)
            .Should().BeEquivalentTo(Winds(1).Select(w => w.Replace('W', 'E')).SelectMany(e => new[] { $"G*1 {e}", $"G*1 Q*0.3 {e}" }));
        set.Used.Should().OnlyContain(c => c.State != LimitState.None);
        set.Dropped.Should().Contain(d => d.Name == "ACC" && d.Reason.Contains("no case of A"));
    }

    // A free case of the imposed loads is also away where the others act, leading or beside another action; settlement as its set says.
    [Fact]
    public void En1990_leaves_free_cases_out_and_settles_by_its_set()
    {
        LoadCase[] cases = [new("G", LoadSymbol.G), new("Q1", LoadSymbol.Q) { Category = "B", Free = true },
            new("Q2", LoadSymbol.Q) { Category = "B" }, new("Q3", LoadSymbol.Q) { Category = "B", Free = true }, new("W", LoadSymbol.W)];
        IEnumerable<string> Names(SettlementSet settles, Family family) => CombinationBuilder.Build(LoadStandards.Find("en1990")!, cases,
            new LoadOptions { Eurocode = new EurocodeOptions { Settlement = settles } }, []).Used.Where(c => c.IsFor(family)).Select(c => c.Name);
        Names(SettlementSet.All, Family.Uplift).Should().Equal("UPL", "UPL:Q", "UPL:Q:+W", "UPL:Q:noQ1", "UPL:Q:noQ1:+W", "UPL:Q:noQ3",
            "UPL:Q:noQ3:+W", "UPL:+W", "UPL:+W:Q", "UPL:+W:Q:noQ1", "UPL:+W:Q:noQ3");
        Names(SettlementSet.All, Family.Settlement).Select(n => n.Split(':')[0]).Distinct().Should().Equal("CHAR", "FREQ", "QP");
        Names(SettlementSet.QuasiPermanent, Family.Settlement).Should().Equal("QP", "QP:Q", "QP:Q:noQ1", "QP:Q:noQ3");
        Names(SettlementSet.Characteristic, Family.Settlement).Should().OnlyContain(n => n.StartsWith("CHAR"));
        Names(SettlementSet.Characteristic, Family.All).Should().NotContain(n => n.StartsWith("FREQ"), "it is for nothing then");
        var set = CombinationBuilder.Build(LoadStandards.Find("en1990")!, cases, new LoadOptions(), []);
        string.Join(' ', set.Used.Single(c => c.Name == "B:Gsup:Q:noQ1:+W").Terms.Select(t => $"{cases[t.Case].Name}*{t.Factor:0.##}"))
            .Should().Be("G*1.35 Q2*1.5 Q3*1.5 W*0.9");
    }

    [Fact]
    public void En1990_takes_national_values_and_approach_3_keeps_the_ground_apart()
    {
        LoadCase[] cases = [.. European, LoadStandards.Find("en1990")!.Surcharge];
        var options = new EurocodeOptions
        {
            DesignApproach = 3,
            SetB = new PartialFactors(1.2, 0.95, 1.4),
            Psi = new Dictionary<string, PsiFactors>(EurocodeOptions.Recommended)
            {
                ["S"] = new(0.7, 0.5, 0.2),
                ["E"] = new(1.0, 0.9, 0.8)
            },
        };
        var set = CombinationBuilder.Build(LoadStandards.Find("en1990")!, cases, new LoadOptions { Eurocode = options }, []);
        var c = set.Used.Single(c => c.Name == "B:Gsup:Q:S:+WX");
        string.Join(' ', c.Terms.Select(t => string.Create(CultureInfo.InvariantCulture, $"{cases[t.Case].Name}*{t.Factor:0.####}")))
            .Should().Be("G*1.2 Q*1.4 S*0.98 WX*0.84 SURCHARGE*1.3");
        set.Used.Should().NotContain(c => c.State == LimitState.SetC);
    }

    [Fact]
    public void An_accident_leads_with_its_own_factor_and_excludes_another()
    {
        LoadCase[] cases = [new("G", LoadSymbol.G), new("Q", LoadSymbol.Q) { Category = "C" }, new("HIT", LoadSymbol.A),
            new("BLAST", LoadSymbol.A)];
        var names =
            CombinationBuilder.Build(LoadStandards.Find("en1990")!, cases, new LoadOptions(),
                []).Used.Where(c => c.State == LimitState.Accidental).ToList();
        names.Select(c => c.Name).Should().Equal("ACC:+HIT", "ACC:+HIT:Q", "ACC:+BLAST", "ACC:+BLAST:Q");
        names[1].Terms.Select(t => t.Factor).Should().Equal(1, 0.7, 1);
        var quasi = CombinationBuilder.Build(LoadStandards.Find("en1990")!, cases,
            new LoadOptions { Eurocode = new EurocodeOptions { AccidentalFrequent = false } }, []);
        quasi.Used.Single(c => c.Name == "ACC:+HIT:Q").Terms.Select(t => t.Factor).Should().Equal(1, 0.6, 1);
    }

    // 6.10 by loops: G, a leading action in turn, the others present or absent with ψ0: Q 0.7, roof 0, snow 0.5, wind 0.6.
    private static IEnumerable<string> Fundamental(double g, double q, bool leadReduced = false)
    {
        double Lead(double psi) => leadReduced ? psi : 1;
        yield return Line(g, 0, 0, 0, "");
        if (Lead(0) > 0)
        {
            yield return Line(g, 0, q, 0, "");
            yield return Line(g, 0.7 * q, q, 0, "");
        }

        foreach (var withSnow in new[] { 0, 0.5 * q })
        {
            foreach (var wind in Winds(0.6 * q).Prepend(""))
            {
                yield return Line(g, q * Lead(0.7), 0, withSnow, wind);
            }
        }

        foreach (var live in new[] { 0, 0.7 * q })
        {
            foreach (var wind in Winds(0.6 * q).Prepend(""))
            {
                yield return Line(g, live, 0, q * Lead(0.5), wind);
            }

            foreach (var snow in new[] { 0, 0.5 * q })
            {
                foreach (var wind in Winds(q * Lead(0.6)))
                {
                    yield return Line(g, live, 0, snow, wind);
                }
            }
        }
    }

    private static string Line(double g, double q, double roof, double s, string wind) =>
        Num("G", g) + (q > 0 ? " " + Num("Q", q) : "") + (roof > 0 ? " " + Num("ROOF", roof) : "") + (s > 0 ? " " + Num("S", s) : "")
            + (wind.Length > 0 ? " " + wind : "");

    private static string[] Winds(double f) => [Num("WX", f), Num("WX", -f), Num("WY", f), Num("WY", -f)];

    private static string Num(string name, double f) => string.Create(CultureInfo.InvariantCulture, $"{name}*{Math.Round(f, 6):0.######}");

    private static List<string> Lines(CombinationSet set, LoadCase[] cases, Func<Combination, bool> which) =>
        [.. set.Used.Where(which).Select(c => string.Join(' ', c.Terms.Select(t => Num(cases[t.Case].Name, t.Factor))))];

    // "1.2D+1.6(Lr|S)+(1L|0.5W)": a factor before brackets goes to all within; W and E stand for two cases with both signs.
    private static IEnumerable<string> Expand(string formula)
    {
        IEnumerable<(string Name, double Factor)[]> all = [[]];
        foreach (var part in Regex.Split(formula, @"\+(?![^(]*\))"))
        {
            var m = Regex.Match(part, @"^([\d.]*)\(([^)]*)\)$");
            var outer = m.Success && m.Groups[1].Length > 0 ? double.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture) : 1;
            var choices = (m.Success ? m.Groups[2].Value : part).Split('|').SelectMany(p =>
            {
                var t = Regex.Match(p, @"^([\d.]*)(\w+)$");
                var f = outer * (t.Groups[1].Length > 0 ? double.Parse(t.Groups[1].Value, CultureInfo.InvariantCulture) : 1);
                var symbol = t.Groups[2].Value;
                return symbol is "W" or "E"
                    ? new[] { (symbol + "X", f), (symbol + "X", -f), (symbol + "Y", f), (symbol + "Y", -f) }
                    : [(symbol, f)];
            }).ToList();
            all = all.SelectMany(a => choices.Select(c => a.Append(c).ToArray())).ToList();
        }

        return all.Select(a => string.Join(' ',
            a.OrderBy(p => Array.FindIndex(American, c => c.Name == p.Name)).Select(p => Num(p.Name, p.Factor))));
    }
}
