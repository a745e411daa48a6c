using Plinth.Core.Audit;
using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [cases] and [totals].</summary>
internal static class CaseReader
{
    private static readonly string[] Symbols = Enum.GetNames<LoadSymbol>();

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
                result[name] = new StatedTotal(inner.QuantityOrNull("N", Measure.Force, Sign.Any),
                    inner.QuantityOrNull("Fx", Measure.Force, Sign.Any), inner.QuantityOrNull("Fy", Measure.Force, Sign.Any));
                inner.Done();
            }
            else if (t.Quantity(name, node, Measure.Force, Sign.Any) is { } n)
            {
                result[name] = new StatedTotal(n, null, null);
            }
        }

        return result;
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
        var free = t.Flag("free", false);
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

        if (free && symbol is not null and not LoadSymbol.Q)
        {
            t.Fault("free", "free is for Q of en1990 alone, whose cases act together");
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

        var made = new LoadCase(name, s, reversible, alternatives, permanent)
        {
            Direction = direction,
            Category = category,
            OwnPsi = psi,
            Free = free,
        };
        Complete(made, t.Place, options, bag);
        return spectrum ? made.SpectrumVariants() : [made];
    }

    // What the standard's options need of a case.
    private static void Complete(LoadCase c, FilePlace place, LoadOptions options, DiagnosticBag bag)
    {
        if (c.Symbol == LoadSymbol.Q && c.Category is null && c.OwnPsi is null)
        {
            bag.Error(place,
                $"case \"{c.Name}\" needs the category of its load; write for example {TomlText.Key(c.Name)} = {{ symbol "
                    + $"= \"Q\", category = \"B\" }}");
        }

        if (c.Symbol == LoadSymbol.E && options.Orthogonal > 0 && c.Direction is null)
        {
            bag.Error(place,
                $"orthogonal pairs earthquake cases by direction, which case \"{c.Name}\" does not say; write for example "
                    + $"{TomlText.Key(c.Name)} = {{ symbol = \"E\", direction = \"x\" }}");
        }
    }

    private static LoadCase? Combined(string name, TableReader t, DiagnosticBag bag)
    {
        var family = CombinationReader.For(t, bag);
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
        foreach (var key in (ReadOnlySpan<string>)["symbol", "reversible", "alternatives", "permanent", "direction", "spectrum", "category",
            "free", "psi"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"case \"{name}\" is combined beforehand (for = …), so {key} does nothing; delete it");
            }
        }

        t.Done();
        return weights is { } w && family != Family.None
            ? new LoadCase(name, null) { Combined = new CombinedResult(family, w, transient) }
            : null;
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

            var like = (symbol, standard is En1990) switch
            {
                (LoadSymbol.D, true) => "; permanent loads are \"G\" there",
                (LoadSymbol.L or LoadSymbol.Lr, true) => "; imposed loads are { symbol = \"Q\", category = … } there",
                (LoadSymbol.G, false) => "; dead loads are \"D\" there",
                (LoadSymbol.Q, false) => "; live loads are \"L\" there",
                _ => ""
            };
            bag.Error(place, $"\"{text}\" is no symbol of {standard.Name}, whose symbols are {string.Join(", ", standard.Symbols)}{like}");
            return null;
        }

        var near = Array.Find(Symbols, s => string.Equals(s, text, StringComparison.OrdinalIgnoreCase));
        bag.Error(place,
            $"\"{text}\" is not a load symbol; "
                + (near is null
                    ? $"symbols are {string.Join(", ", standard?.Symbols.Select(s => s.ToString()) ?? Symbols)}"
                    : $"did you mean \"{near}\"?"));
        return null;
    }
}
