using Plinth.Core.Audit;
using Plinth.Core.Loads;
using Plinth.Core.Units;
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

    public static List<LoadCase> Cases(TableReader t, LoadStandard? standard, LoadOptions options, DiagnosticBag bag)
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
                if (Symbol(symbol, node.Place, standard, bag) is { } s)
                {
                    var made = new LoadCase(name, s, s == LoadSymbol.E);
                    Complete(made, node.Place, options, bag);
                    cases.Add(made);
                }
            }
            else if (node.Value is TomlTable table)
            {
                cases.AddRange(One(name, new TableReader(table, $"case {name}", bag), standard, options, bag));
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

    /// <summary>Totals that the analysis reports: N as text, or a table of N, Fx, Fy, as applied.</summary>
    public static Dictionary<string, StatedTotal> Totals(TableReader t, IReadOnlyList<LoadCase> cases, DiagnosticBag bag)
    {
        var result = new Dictionary<string, StatedTotal>(StringComparer.Ordinal);
        foreach (var (name, place, node) in t.All())
        {
            if (!cases.Any(c => c.Source == name))
            {
                var near = Nearest.Of(name, cases.Select(c => c.Source));
                bag.Error(place, $"[totals]: there is no case \"{name}\" in [cases]" + (near is null ? "" : $"; did you mean \"{near}\"?"));
            }
            else if (node.Value is TomlTable table)
            {
                var inner = new TableReader(table, $"total of {name}", bag);
                result[name] = new StatedTotal(inner.QuantityOrNull("N", Measure.Force, Sign.Any), inner.QuantityOrNull("Fx", Measure.Force, Sign.Any), inner.QuantityOrNull("Fy", Measure.Force, Sign.Any));
                inner.Done();
            }
            else if (t.Quantity(name, node, Measure.Force, Sign.Any) is { } n)
            {
                result[name] = new StatedTotal(n, null, null);
            }
        }

        return result;
    }

    /// <summary>What to say about a case of the reactions that [cases] does not name.</summary>
    public static string WithoutSymbol(string name)
    {
        var guess = Guess(name, false);
        return $"case \"{name}\" has no symbol; add it to [cases] in plinth.toml, for example {TomlText.Key(name)} = \"{guess ?? "D"}\"" + (guess is null ? " (D, L, Lr, S, R, W, E, H, F or T)" : "");
    }

    /// <summary>The symbol that a case's name suggests, by generic trade words; null: none.</summary>
    /// <param name="name">The case.</param>
    /// <param name="european">Whether in the symbols of EN 1990.</param>
    public static string? Guess(string name, bool european = false)
    {
        var guess = GuessAmerican(name.ToUpperInvariant());
        return !european ? guess : guess switch { "D" => "G", "L" or "Lr" => "Q", "R" or "H" or "F" => null, _ => guess };
    }

    private static string? GuessAmerican(string n)
    {
        (string Start, string Symbol)[] words =
        [
            ("DEAD", "D"), ("SDL", "D"), ("SDEAD", "D"), ("DL", "D"), ("SELF", "D"), ("SW", "D"), ("LIVE", "L"), ("LL", "L"), ("IMPOSED", "L"), ("ROOF", "Lr"), ("LR", "Lr"), ("SNOW", "S"), ("RAIN", "R"),
            ("WIND", "W"), ("EARTHQ", "E"), ("SEIS", "E"), ("EQ", "E"), ("SOIL", "H"), ("TEMP", "T"), ("W", "W"), ("E", "E"), ("D", "D"), ("L", "L"), ("S", "S"),
        ];
        return words.FirstOrDefault(w => n.StartsWith(w.Start, StringComparison.Ordinal)).Symbol;
    }

    private static IEnumerable<LoadCase> One(string name, TableReader t, LoadStandard? standard, LoadOptions options, DiagnosticBag bag)
    {
        if (t.Has("for"))
        {
            return Combined(name, t, bag) is { } combined ? [combined] : [];
        }

        var text = t.Text("symbol");
        if (text is null && !t.Has("symbol"))
        {
            t.Missing("symbol", "\"W\"");
        }

        var symbol = text is null ? null : Symbol(text, t.PlaceOf("symbol"), standard, bag);
        var spectrum = t.Flag("spectrum", false);
        var reversible = t.Flag("reversible", spectrum || symbol == LoadSymbol.E);
        var alternatives = t.Text("alternatives");
        var permanent = t.Flag("permanent", false);
        var direction = t.Choice<PlanAxis?>("direction", null, ("x", PlanAxis.X), ("y", PlanAxis.Y));
        var category = t.Text("category");
        var psi = t.Node("psi") is { } node ? LoadsReader.Read(node) : null;
        if (permanent && symbol is not null and not LoadSymbol.H)
        {
            t.Fault("permanent", "permanent is for H alone: D, G and F are permanent, all others are variable");
        }

        if (spectrum && (symbol is not null and not (LoadSymbol.W or LoadSymbol.E) || !reversible))
        {
            t.Fault("spectrum", "spectrum is for W and E, whose unsigned results act with every sign; delete it, or reversible = false");
        }

        if (direction is not null && symbol is not null and not LoadSymbol.E)
        {
            t.Fault("direction", "direction is for E alone: it says which cases orthogonal pairs");
        }

        if (category is not null && symbol is not null and not LoadSymbol.Q)
        {
            t.Fault("category", "category is for Q of en1990 alone");
        }
        else if (category is not null && !options.Eurocode.Psi.ContainsKey(category) || category is "S" or "W" or "T")
        {
            t.Fault("category", $"category \"{category}\" is not known; categories are A to H (EN 1990 table A1.1)");
            category = "A";
        }

        if (t.Has("psi") && psi is null)
        {
            t.Fault("psi", "psi needs ψ0, ψ1, ψ2 from 0 to 1; write for example psi = [0.7, 0.5, 0.3]");
        }

        t.Done();
        if (symbol is not { } s)
        {
            return [];
        }

        var made = new LoadCase(name, s, reversible, alternatives, permanent) { Direction = direction, Category = category, OwnPsi = psi };
        Complete(made, t.Place, options, bag);
        return spectrum ? made.SpectrumVariants() : [made];
    }

    // What the standard's options need of a case.
    private static void Complete(LoadCase c, FilePlace place, LoadOptions options, DiagnosticBag bag)
    {
        if (c.Symbol == LoadSymbol.Q && c.Category is null && c.OwnPsi is null)
        {
            bag.Error(place, $"case \"{c.Name}\" needs the category of its load; write for example {TomlText.Key(c.Name)} = {{ symbol = \"Q\", category = \"B\" }}");
        }

        if (c.Symbol == LoadSymbol.E && options.Orthogonal > 0 && c.Direction is null)
        {
            bag.Error(place, $"orthogonal pairs earthquake cases by direction, which case \"{c.Name}\" does not say; write for example {TomlText.Key(c.Name)} = {{ symbol = \"E\", direction = \"x\" }}");
        }
    }

    private static LoadCase? Combined(string name, TableReader t, DiagnosticBag bag)
    {
        var family = For(t, bag);
        var weights = t.NumberOrNull("weights");
        if (!t.Has("weights"))
        {
            t.Missing("weights", "0.6, the factor on D within it, which the weights of base and soil take");
        }

        if (!t.Has("transient"))
        {
            t.Missing("transient", "true where it holds wind or earthquake, else false");
        }

        var transient = t.Flag("transient", false);
        foreach (var key in (ReadOnlySpan<string>)["symbol", "reversible", "alternatives", "permanent", "direction", "spectrum", "category", "psi"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"case \"{name}\" is combined beforehand (for = …), so {key} does nothing; delete it");
            }
        }

        t.Done();
        return weights is { } w && family != Family.None ? new LoadCase(name, null) { Combined = new CombinedResult(family, w, transient) } : null;
    }

    private static LoadSymbol? Symbol(string text, FilePlace place, LoadStandard? standard, DiagnosticBag bag)
    {
        var i = Array.IndexOf(Symbols, text);
        if (i >= 0)
        {
            var symbol = (LoadSymbol)i;
            if (standard is null || standard.Symbols.Contains(symbol))
            {
                return symbol;
            }

            var like = (symbol, standard is En1990) switch { (LoadSymbol.D, true) => "; permanent loads are \"G\" there", (LoadSymbol.L or LoadSymbol.Lr, true) => "; imposed loads are { symbol = \"Q\", category = … } there", (LoadSymbol.G, false) => "; dead loads are \"D\" there", (LoadSymbol.Q, false) => "; live loads are \"L\" there", _ => "" };
            bag.Error(place, $"\"{text}\" is no symbol of {standard.Name}, whose symbols are {string.Join(", ", standard.Symbols)}{like}");
            return null;
        }

        var near = Array.Find(Symbols, s => string.Equals(s, text, StringComparison.OrdinalIgnoreCase));
        bag.Error(place, $"\"{text}\" is not a load symbol; " + (near is null ? $"symbols are {string.Join(", ", standard?.Symbols.Select(s => s.ToString()) ?? Symbols)}" : $"did you mean \"{near}\"?"));
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
                bag.Error(place, $"\"{key}\" is neither a case nor a symbol; " + (near is null ? "name one of [cases]" : $"did you mean \"{near}\"?"));
            }
        }

        return (symbols, byCase);
    }
}
