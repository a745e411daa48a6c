using System.Globalization;
using System.Text;

namespace Plinth.Core.Loads;

/// <summary>Makes the combinations of a project: the load standard's, results combined beforehand, and the engineer's own.</summary>
public static class CombinationBuilder
{
    /// <summary>Makes all combinations.</summary>
    /// <param name="standard">The load standard.</param>
    /// <param name="cases">The cases, by index as terms name them.</param>
    /// <param name="options">What the standard leaves to the project.</param>
    /// <param name="own">The engineer's own combinations, which follow the standard's.</param>
    /// <returns>Combinations in the order of the rules; names are unique.</returns>
    public static CombinationSet Build(LoadStandard standard, IReadOnlyList<LoadCase> cases, LoadOptions options,
        IReadOnlyList<OwnCombination> own)
    {
        ArgumentNullException.ThrowIfNull(standard);
        ArgumentNullException.ThrowIfNull(cases);
        ArgumentNullException.ThrowIfNull(options);
        ArgumentNullException.ThrowIfNull(own);
        var used = new List<Combination>();
        var dropped = new List<DroppedCombination>();
        var seen = new Dictionary<string, string>(StringComparer.Ordinal);
        void Keep(Combination c)
        {
            if (seen.TryAdd(Key(c), c.Name))
            {
                used.Add(c);
            }
            else
            {
                dropped.Add(new DroppedCombination(c.Name, c.Rule, "the same as " + seen[Key(c)]));
            }
        }

        var behind = cases.Any(c => c.IsBehindWall);
        standard.Expand(new Expansion(cases, options, Keep, dropped.Add, behind ? false : null));
        if (behind)
        {
            // What it drops it has dropped before.
            standard.Expand(new Expansion(cases, options, Keep, _ => { }, true));
        }

        var expansion = new Expansion(cases, options, Keep, dropped.Add);
        for (var i = 0; i < cases.Count; i++)
        {
            if (cases[i].Combined is { } combined)
            {
                Keep(expansion.Make(cases[i].Name, combined.For, [new Term(i, 1)], combined.Weights, combined.Transient, null, false, null,
                    "combined beforehand"));
            }
        }

        foreach (var combination in own)
        {
            Expand(combination, expansion, Keep);
        }

        return new CombinationSet(used, dropped);
    }

    /// <summary>
    /// The factor on weights that an own combination leads to, or null where it must be given: D (or G) cases differ, or there is none.
    /// </summary>
    public static double? WeightsOf(OwnCombination own, IReadOnlyList<LoadCase> cases)
    {
        ArgumentNullException.ThrowIfNull(own);
        ArgumentNullException.ThrowIfNull(cases);
        if (own.Weights is { } given)
        {
            return given;
        }

        double? factor = null;
        var stated = false;
        foreach (var c in cases.Where(c => c.Symbol is LoadSymbol.D or LoadSymbol.G))
        {
            stated |= own.CaseFactors.ContainsKey(c.Name) || own.SymbolFactors.ContainsKey(c.Symbol!.Value);
            double f = own.CaseFactors.TryGetValue(c.Name, out var byCase) ? byCase : own.SymbolFactors.GetValueOrDefault(c.Symbol!.Value);
            if (factor is { } earlier && earlier != f)
            {
                return null;
            }

            factor = f;
        }

        return stated ? factor
            : own.SymbolFactors.TryGetValue(LoadSymbol.D, out var d) ? d
            : own.SymbolFactors.TryGetValue(LoadSymbol.G, out var g) ? g
            : null;
    }

    private static void Expand(OwnCombination own, Expansion e, Action<Combination> keep)
    {
        bool Open(LoadCase c) => !own.CaseFactors.ContainsKey(c.Name);
        var slots = new List<IReadOnlyList<Alternative>>();
        foreach (var (symbol, factor) in own.SymbolFactors.OrderBy(p => p.Key))
        {
            slots.Add(symbol switch
            {
                LoadSymbol.E => e.Earthquake(factor, 1, Open),
                LoadSymbol.W or LoadSymbol.A => e.Exclusive(symbol, factor, Open),
                _ => e.Additive(symbol, factor, Open),
            });
        }

        // A factor by the name of an unsigned result is a factor on all its variants in turn.
        foreach (var (name, factor) in own.CaseFactors)
        {
            var variants = e.Cases.Select((c, i) => (c, i)).Where(p => p.c.Name == name || p.c.Source == name).ToList();
            slots.Add(variants is [var only]
                ? [new Alternative(null, [new Term(only.i, factor)])]
                : [
                    .. variants.SelectMany(v => new[] { new Alternative("+" + v.c.Name, [new Term(v.i, factor)]),
                        new Alternative("-" + v.c.Name, [new Term(v.i, -factor)]) })]);
        }

        var weights = WeightsOf(own, e.Cases)
            ?? throw new ArgumentException($"combination \"{own.Name}\" needs the factor on weights", nameof(own));
        foreach (var (name, terms) in Expansion.Product(slots))
        {
            keep(e.Make(own.Name + name, own.For, terms, weights, own.Transient, own.Least, own.Least is not null, null, RuleText(own)));
        }
    }

    private static string RuleText(OwnCombination own)
    {
        var parts = own.SymbolFactors.OrderBy(p => p.Key).Select(p => p.Value.Text() + p.Key)
            .Concat(own.CaseFactors.OrderBy(p => p.Key, StringComparer.Ordinal).Select(p => p.Value.Text() + " " + p.Key));
        return string.Join(" + ", parts.Select(p => p.Trim()));
    }

    private static string Key(Combination c)
    {
        var key = new StringBuilder();
        key.Append(CultureInfo.InvariantCulture,
            $"{(int)c.For}|{c.WeightFactor:R}|{c.Counteracting}|{c.Transient}|{c.Least:R}|{c.State}|{c.BehindWalls}");
        foreach (var t in c.Terms)
        {
            key.Append(CultureInfo.InvariantCulture, $"|{t.Case}:{t.Factor:R}:{t.Tips:R}:{t.Holds:R}");
        }

        return key.ToString();
    }
}
