using System.Globalization;
using System.Reflection;
using System.Text;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Tests;

/// <summary>docs/checks.md is made from the checks themselves; PLINTH_WRITE_DOCS=1 writes it anew.</summary>
public class DocumentTests
{
    [Fact]
    public void The_list_of_checks_is_what_the_checks_say()
    {
        var code = ConcreteCodes.Find("aci318m-19")!;
        var text = new StringBuilder(
            "# The checks\n\n"
                + "Made from the code (tests/Plinth.Core.Tests/DocumentTests.cs). A check's id is its name in JSON and for `plinth show MARK ID`.\n"
                + "\n");
        text.Append("| id | for people | what it compares | combinations for | demand in | clause |\n|---|---|---|---|---|---|\n");
        foreach (var c in CheckCatalog.Listed)
        {
            var families = FamilyWords.Of(c.For);
            text.Append(CultureInfo.InvariantCulture,
                $"| `{c.Id}` | {c.Name} | {c.About} | {(c.IsOfBars ? "—" : string.Join(", ", families))} | "
                    + $"{(c.Unit.Symbol(UnitSystem.Metric) is { Length: > 0 } u ? u : "—")} | {c.Clause(code) ?? "statics"} |\n");
        }

        text.Append(
            "\n"
                + "A utilisation is demand over capacity; for `uplift`, `sliding` and `overturning` it is the least factor times demand over capacity. A check passes up to 1 + 1e-9.\n");
        text.Append("\n## Not checked\n\nEvery output lists what is not checked, and what would have it checked. Never: ")
            .AppendJoin(", ", NotChecked.Never.Select(i => $"`{i}`")).Append(". Where it arises:\n\n");
        text.AppendJoin("\n", NotChecked.Sometimes.Select(n => $"- `{n.Id}`: {n.When}")).Append('\n');
        Holds("docs/checks.md", text.ToString());
    }

    [Fact]
    public void The_list_of_combinations_is_what_the_standards_give()
    {
        var text = new StringBuilder("# The combinations of each load standard\n\n");
        text.Append(
            "Made from the code (tests/Plinth.Core.Tests/DocumentTests.cs) for one building; StandardListingTests holds every line against lists written from the standards' text.\n"
                + "\n");
        text.Append(
            "Cases: D, L, Lr, S; winds WX, WY and earthquakes EX, EY with both signs; SDS = 0, ρ = 1. Under EN 1990: G, Q (offices, category B), ROOF (category H), S, WX, WY, EX, EY, design approach 1, recommended values.\n");
        foreach (var id in new[] { "asce7-10", "asce7-16", "asce7-22", "en1990" })
        {
            var standard = LoadStandards.Find(id)!;
            var cases = id == "en1990" ? StandardListingTests.European : StandardListingTests.American;
            var set = CombinationBuilder.Build(standard, cases, new LoadOptions(), []);
            text.Append(CultureInfo.InvariantCulture, $"\n## {standard.Name} (`{id}`): {set.Used.Length} combinations\n");
            foreach (var rule in set.Used.GroupBy(c => (c.Rule, c.Clause, c.For)))
            {
                text.Append(CultureInfo.InvariantCulture,
                    $"\n**{rule.Key.Rule}** — {rule.Key.Clause}; for {string.Join(", ", FamilyWords.Of(rule.Key.For))}{(rule.First().Counteracting ? "; counteracting" : "")}\n\n");
                foreach (var c in rule)
                {
                    string Sum(Func<Term, double> of) =>
                        string.Join(" ",
                            c.Terms.Select((t, i) => (of(t) < 0 ? i == 0 ? "−" : "− " : i == 0 ? "" : "+ ")
                                + Math.Abs(of(t)).ToString("0.####", CultureInfo.InvariantCulture) + " " + cases[t.Case].Name));
                    text.Append(CultureInfo.InvariantCulture,
                        $"- `{c.Name}` {Sum(t => t.Factor)}{(c.Terms.Any(t => t.Differs) ? $"; what tips or lifts: {Sum(t => t.Tips)}" : "")}\n");
                }
            }

            foreach (var d in set.Dropped)
            {
                text.Append(CultureInfo.InvariantCulture, $"\nLeft out: `{d.Name}` ({d.Rule}): {d.Reason}.\n");
            }
        }

        Holds("docs/combinations.md", text.ToString());
    }

    private static void Holds(string name, string text)
    {
        var path = Path.Combine(Root(), name);
        if (Environment.GetEnvironmentVariable("PLINTH_WRITE_DOCS") == "1")
        {
            File.WriteAllText(path, text);
        }

        File.ReadAllText(path).Should().Be(text);
    }

    private static string Root()
    {
        for (var at = new DirectoryInfo(AppContext.BaseDirectory); at is not null; at = at.Parent)
        {
            if (File.Exists(Path.Combine(at.FullName, "Plinth.slnx")))
            {
                return at.FullName;
            }
        }

        throw new DirectoryNotFoundException(Assembly.GetExecutingAssembly().Location);
    }
}
