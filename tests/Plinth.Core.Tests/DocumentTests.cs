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
        var text = new StringBuilder("# The checks\n\nMade from the code (tests/Plinth.Core.Tests/DocumentTests.cs). A check's id is its name in JSON and for `plinth show MARK ID`.\n\n");
        text.Append("| id | for people | what it compares | combinations for | demand in | clause |\n|---|---|---|---|---|---|\n");
        foreach (var c in CheckCatalog.Listed)
        {
            var families = Enum.GetValues<Family>().Where(f => f != Family.None && (c.For & f) != 0).Select(f => f.ToString().ToLowerInvariant());
            text.Append(System.Globalization.CultureInfo.InvariantCulture, $"| `{c.Id}` | {c.Name} | {c.About} | {(c.IsOfBars ? "—" : string.Join(", ", families))} | {(c.Unit.Symbol(UnitSystem.Metric) is { Length: > 0 } u ? u : "—")} | {c.Clause(code) ?? "statics"} |\n");
        }

        text.Append("\nA utilisation is demand over capacity; for `uplift`, `sliding` and `overturning` it is the least factor times demand over capacity. A check passes up to 1 + 1e-9.\n");
        text.Append("\n## Not checked in this version\n\nEvery output lists them: ").AppendJoin(", ", CheckCatalog.NotChecked.Select(i => $"`{i}`")).Append(".\n");
        var path = Path.Combine(Root(), "docs/checks.md");
        if (Environment.GetEnvironmentVariable("PLINTH_WRITE_DOCS") == "1")
        {
            File.WriteAllText(path, text.ToString());
        }

        File.ReadAllText(path).Should().Be(text.ToString());
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
