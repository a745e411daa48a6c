using Plinth.Core.Loads;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [cases] and [[combination]].</summary>
internal static class CaseReader
{
    private static readonly string[] Symbols = Enum.GetNames<LoadSymbol>();

    private static readonly (string Word, Family Family)[] Families =
    [
        ("ground", Family.Ground), ("stability", Family.Stability), ("settlement", Family.Settlement), ("concrete", Family.Concrete), ("crack", Family.Crack),
    ];

    public static List<LoadCase> Cases(TableReader t, DiagnosticBag bag)
    {
        var cases = new List<LoadCase>();
        foreach (var (name, place, node) in t.All())
        {
            if (name == LoadCase.SurchargeName)
            {
                bag.Error(place, $"\"{name}\" is the name of the surcharge's own case; give the analysis's case another name");
                continue;
            }

            if (!SupportsReader.Label(name, "case", place, bag))
            {
                continue;
            }

            if (node.Value is string symbol)
            {
                if (Symbol(symbol, node.Place, bag) is { } s)
                {
                    cases.Add(new LoadCase(name, s, s == LoadSymbol.E));
                }
            }
            else if (node.Value is TomlTable table)
            {
                if (One(name, new TableReader(table, $"case {name}", bag), bag) is { } made)
                {
                    cases.Add(made);
                }
            }
            else
            {
                bag.Error(node.Place, $"case \"{name}\" needs a symbol; write for example {TomlText.Key(name)} = \"D\"");
            }
        }

        return cases;
    }

    public static List<OwnCombination> Own(IReadOnlyList<TableReader> tables, IReadOnlyList<LoadCase> cases, DiagnosticBag bag)
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
            else if (!names.Add(name))
            {
                t.Fault("name", $"combination \"{name}\" stands twice; names must differ");
            }

            var family = For(t, bag);
            var (symbols, byCase) = Factors(t, cases, bag);
            var own = new OwnCombination(name, family, symbols, byCase, t.NumberOrNull("weights"), t.Has("transient") ? t.Flag("transient", false) : null, t.NumberOrNull("least"));
            t.Done();
            if (CombinationBuilder.WeightsOf(own, cases) is null)
            {
                bag.Error(t.Place, $"combination \"{name}\" has no single factor on D, so it must say what the weights of base and soil take; write for example weights = 1.0");
                continue;
            }

            result.Add(own);
        }

        return result;
    }

    /// <summary>What to say about a case of the reactions that [cases] does not name.</summary>
    public static string WithoutSymbol(string name)
    {
        var guess = Guess(name);
        return $"case \"{name}\" has no symbol; add it to [cases] in plinth.toml, for example {TomlText.Key(name)} = \"{guess ?? "D"}\"" + (guess is null ? " (D, L, Lr, S, R, W, E, H, F or T)" : "");
    }

    private static string? Guess(string name)
    {
        var n = name.ToUpperInvariant();
        (string Start, string Symbol)[] words =
        [
            ("DEAD", "D"), ("SDL", "D"), ("SDEAD", "D"), ("DL", "D"), ("SELF", "D"), ("SW", "D"), ("LIVE", "L"), ("LL", "L"), ("IMPOSED", "L"), ("ROOF", "Lr"), ("LR", "Lr"), ("SNOW", "S"), ("RAIN", "R"),
            ("WIND", "W"), ("EARTHQ", "E"), ("SEIS", "E"), ("EQ", "E"), ("SOIL", "H"), ("TEMP", "T"), ("W", "W"), ("E", "E"), ("D", "D"), ("L", "L"), ("S", "S"),
        ];
        return words.FirstOrDefault(w => n.StartsWith(w.Start, StringComparison.Ordinal)).Symbol;
    }

    private static LoadCase? One(string name, TableReader t, DiagnosticBag bag)
    {
        t.NotYet("for", "weights", "transient", "direction", "spectrum");
        var text = t.Text("symbol");
        if (text is null && !t.Has("for"))
        {
            t.Missing("symbol", "\"W\"");
        }

        var symbol = text is null ? null : Symbol(text, t.PlaceOf("symbol"), bag);
        var reversible = t.Flag("reversible", symbol == LoadSymbol.E);
        var alternatives = t.Text("alternatives");
        var permanent = t.Flag("permanent", false);
        if (permanent && symbol is not null and not LoadSymbol.H)
        {
            t.Fault("permanent", "permanent is for H alone: D and F are permanent, all others are variable");
        }

        t.Done();
        return symbol is { } s ? new LoadCase(name, s, reversible, alternatives, permanent) : null;
    }

    private static LoadSymbol? Symbol(string text, FilePlace place, DiagnosticBag bag)
    {
        var i = Array.IndexOf(Symbols, text);
        if (i >= 0)
        {
            return (LoadSymbol)i;
        }

        var near = Array.Find(Symbols, s => string.Equals(s, text, StringComparison.OrdinalIgnoreCase));
        bag.Error(place, $"\"{text}\" is not a load symbol; " + (near is null ? $"symbols are {string.Join(", ", Symbols)}" : $"did you mean \"{near}\"?"));
        return null;
    }

    private static Family For(TableReader t, DiagnosticBag bag)
    {
        var family = Family.None;
        if (!t.Has("for"))
        {
            t.Missing("for", "[\"ground\", \"stability\"]");
            return family;
        }

        foreach (var (word, place) in t.Texts("for") ?? [])
        {
            var found = Array.Find(Families, f => f.Word == word);
            if (found.Word is null)
            {
                bag.Error(place, $"\"{word}\" is not a family of checks; families are {string.Join(", ", Families.Select(f => f.Word))}");
            }

            family |= found.Family;
        }

        return family;
    }

    private static (Dictionary<LoadSymbol, double> Symbols, Dictionary<string, double> Cases) Factors(TableReader t, IReadOnlyList<LoadCase> cases, DiagnosticBag bag)
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

            var isCase = cases.Any(c => c.Name == key);
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
                bag.Error(place, $"\"{key}\" is neither a case nor a symbol; " + (near is null ? "name one of [cases]" : $"did you mean \"{near}\"?"));
            }
        }

        return (symbols, byCase);
    }
}
