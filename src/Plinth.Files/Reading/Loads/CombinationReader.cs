using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [[combination]], the engineer's own.</summary>
internal static class CombinationReader
{
    private static readonly string[] Symbols = Enum.GetNames<LoadSymbol>();

    public static List<OwnCombination> Own(IReadOnlyList<TableReader> tables, IReadOnlyList<LoadCase> cases, bool byLimitStates,
        DiagnosticBag bag)
    {
        var result = new List<OwnCombination>();
        var names = new HashSet<string>(StringComparer.Ordinal);
        foreach (var t in tables)
        {
            var name = t.Text("name")?.Trim();
            if (string.IsNullOrEmpty(name))
            {
                t.Missing("name", "\"flood\"");
                name = "?";
            }
            else if (!SupportsReader.Label(name, "combination", t.PlaceOf("name"), bag))
            {
                name = "?";
            }
            else if (!names.Add(name))
            {
                t.Fault("name", $"combination \"{name}\" stands twice; names must differ");
            }

            var family = For(t, bag);
            if (byLimitStates && (family & (Family.Ground | Family.Stability)) != 0)
            {
                t.Fault("for", $"combination \"{name}\" belongs to no limit state, by which design = \"{LimitStateDesign.Id}\" chooses its "
                    + "partial factors; leave it to \"concrete\", \"settlement\" or \"crack\", or change [loads.partial]");
            }

            var (symbols, byCase) = Factors(t, cases, bag);
            var own = new OwnCombination(name, family, symbols, byCase, t.NumberOrNull("weights"),
                t.Has("transient") ? t.Flag("transient", false) : null, t.NumberOrNull("least"));
            t.Done();
            if (CombinationBuilder.WeightsOf(own, cases) is null)
            {
                bag.Error(t.Place,
                    $"combination \"{name}\" has no single factor on D, so it must say what the weights of base and soil take; write for "
                        + "example weights = 1.0");
                continue;
            }

            result.Add(own);
        }

        return result;
    }

    /// <summary>The families of checks that a table is for.</summary>
    public static Family For(TableReader t, DiagnosticBag bag)
    {
        var family = Family.None;
        if (!t.Has("for"))
        {
            t.Missing("for", "[\"ground\", \"stability\"]");
            return family;
        }

        foreach (var (word, place) in t.Texts("for") ?? [])
        {
            var found = FamilyWords.All.FirstOrDefault(f => f.Word == word);
            if (found.Word is null)
            {
                bag.Error(place,
                    $"\"{word}\" is not a family of checks; families are {string.Join(", ", FamilyWords.All.Select(f => f.Word))}");
            }

            family |= found.Family;
        }

        return family;
    }

    private static (Dictionary<LoadSymbol, double> Symbols, Dictionary<string, double> Cases) Factors(TableReader t,
        IReadOnlyList<LoadCase> cases, DiagnosticBag bag)
    {
        var symbols = new Dictionary<LoadSymbol, double>();
        var byCase = new Dictionary<string, double>(StringComparer.Ordinal);
        if (!t.Has("factors"))
        {
            t.Missing("factors", "{ D = 1.0, L = 1.0 }");
        }

        foreach (var (key, place, node) in t.Inner("factors").All())
        {
            if (node.Value is not double value || !double.IsFinite(value))
            {
                bag.Error(node.Place, $"the factor of {key} must be a plain number; write for example {key} = 1.2");
                continue;
            }

            var isCase = cases.Any(c => c.Name == key || c.Source == key);
            var isSymbol = Enum.TryParse<LoadSymbol>(key, out var symbol) && Symbols.Contains(key);
            if (isCase && isSymbol)
            {
                bag.Error(place, $"\"{key}\" is both a case and a symbol; name the case otherwise, so that the factor has one meaning");
            }
            else if (isCase)
            {
                byCase[key] = value;
            }
            else if (isSymbol)
            {
                symbols[symbol] = value;
                if (!cases.Any(c => c.Symbol == symbol))
                {
                    bag.Warning(place, $"no case has the symbol {key}: this factor does nothing");
                }
            }
            else
            {
                var near = Nearest.Of(key, cases.Select(c => c.Name).Concat(Symbols));
                bag.Error(place,
                    $"\"{key}\" is neither a case nor a symbol; " + (near is null ? "name one of [cases]" : $"did you mean \"{near}\"?"));
            }
        }

        return (symbols, byCase);
    }
}
