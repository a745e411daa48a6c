using System.Collections.Immutable;
using System.Globalization;
using System.Text;

namespace Plinth.Core.Loads;

/// <summary>Expands the rules of a load standard and the engineer's own combinations over the cases of a project.</summary>
public static class CombinationBuilder
{
    private sealed record Alternative(string? Name, IReadOnlyList<Term> Terms)
    {
        public static readonly Alternative Nothing = new(null, []);
    }

    /// <summary>Makes all combinations.</summary>
    /// <param name="standard">The load standard.</param>
    /// <param name="cases">The cases, by index as terms name them.</param>
    /// <param name="options">SDS, redundancy, companion live load.</param>
    /// <param name="own">The engineer's own combinations, which follow the standard's.</param>
    /// <returns>Combinations in the order of the rules; names are unique.</returns>
    public static CombinationSet Build(LoadStandard standard, IReadOnlyList<LoadCase> cases, LoadOptions options, IReadOnlyList<OwnCombination> own)
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

        foreach (var rule in standard.Rules)
        {
            Expand(standard, rule, cases, options, Keep, dropped);
        }

        foreach (var combination in own)
        {
            Expand(combination, cases, Keep);
        }

        return new CombinationSet(used, dropped);
    }

    /// <summary>The factor on weights that an own combination leads to, or null where it must be given: D cases differ, or there is none.</summary>
    public static double? WeightsOf(OwnCombination own, IReadOnlyList<LoadCase> cases)
    {
        ArgumentNullException.ThrowIfNull(own);
        ArgumentNullException.ThrowIfNull(cases);
        if (own.Weights is { } given)
        {
            return given;
        }

        double? factor = null;
        foreach (var c in cases.Where(c => c.Symbol == LoadSymbol.D))
        {
            double f = own.CaseFactors.TryGetValue(c.Name, out var byCase) ? byCase : own.SymbolFactors.GetValueOrDefault(LoadSymbol.D);
            if (factor is { } earlier && earlier != f)
            {
                return null;
            }

            factor = f;
        }

        return own.SymbolFactors.ContainsKey(LoadSymbol.D) || own.CaseFactors.Keys.Any(k => cases.Any(c => c.Symbol == LoadSymbol.D && c.Name == k)) ? factor : null;
    }

    private static void Expand(LoadStandard standard, LoadRule rule, IReadOnlyList<LoadCase> cases, LoadOptions options, Action<Combination> keep, List<DroppedCombination> dropped)
    {
        if (Missing(rule, cases) is { } missing)
        {
            dropped.Add(new DroppedCombination(rule.Number, rule.Text, missing));
            return;
        }

        var strength = (rule.For & Family.Concrete) != 0;
        var dead = rule.Dead + (rule.Vertical * options.Sds);
        var slots = new List<IReadOnlyList<Alternative>> { Additive(cases, LoadSymbol.D, dead) };
        foreach (var slot in rule.Slots)
        {
            slots.Add(Alternatives(slot, cases, options));
        }

        if (rule.Fluid)
        {
            slots.Add(Additive(cases, LoadSymbol.F, rule.Dead));
        }

        slots.Add(Earth(cases, standard.EarthAdds(strength), standard.EarthResists(strength)));
        foreach (var (name, terms) in Product(slots))
        {
            keep(Make(rule.Number + name, rule.For, terms, dead, cases, null, null, rule.Counteracting, rule.Clause, rule.Text));
        }
    }

    private static void Expand(OwnCombination own, IReadOnlyList<LoadCase> cases, Action<Combination> keep)
    {
        var slots = new List<IReadOnlyList<Alternative>>();
        var open = cases.Select(c => own.CaseFactors.ContainsKey(c.Name) ? null : c).ToList();
        foreach (var (symbol, factor) in own.SymbolFactors.OrderBy(p => p.Key))
        {
            slots.Add(symbol is LoadSymbol.W or LoadSymbol.E ? Exclusive(open, symbol, factor) : Additive(open, symbol, factor));
        }

        slots.Add([new Alternative(null, [.. own.CaseFactors.Select(p => new Term(IndexOf(cases, p.Key), p.Value))])]);
        var weights = WeightsOf(own, cases) ?? throw new ArgumentException($"combination \"{own.Name}\" needs the factor on weights", nameof(own));
        foreach (var (name, terms) in Product(slots))
        {
            keep(Make(own.Name + name, own.For, terms, weights, cases, own.Transient, own.Least, own.Least is not null, null, RuleText(own)));
        }
    }

    private static Combination Make(string name, Family family, IEnumerable<Term> terms, double weights, IReadOnlyList<LoadCase> cases, bool? transient, double? least, bool counteracting, string? clause, string rule)
    {
        var sorted = terms.Where(t => t.Factor != 0).OrderBy(t => t.Case).ToImmutableArray();
        var isTransient = transient ?? sorted.Any(t => cases[t.Case].Symbol is LoadSymbol.W or LoadSymbol.E);
        return new Combination(name, family, sorted, weights, isTransient, counteracting, least, clause, rule);
    }

    private static string? Missing(LoadRule rule, IReadOnlyList<LoadCase> cases)
    {
        bool Has(Slot slot) => slot.Choices.Any(choice => cases.Any(c => c.Symbol == choice.Symbol));
        foreach (var slot in rule.Slots)
        {
            if (slot.Need == Need.Present && !Has(slot))
            {
                return "no case of " + string.Join(", ", slot.Choices.Select(c => c.Symbol)) + ", which it is about";
            }
        }

        return rule.Slots.Any(s => s.Need == Need.OneOfTwo) && rule.Slots.Count(s => s.Need != Need.None && Has(s)) < 2
            ? "fewer than two variable loads, so an earlier combination covers it"
            : null;
    }

    private static List<Alternative> Alternatives(Slot slot, IReadOnlyList<LoadCase> cases, LoadOptions options)
    {
        var result = new List<Alternative>();
        var named = slot.Choices.Count > 1;
        foreach (var choice in slot.Choices)
        {
            if (!cases.Any(c => c.Symbol == choice.Symbol))
            {
                continue;
            }

            var factor = choice.Factor;
            if (choice.Symbol is LoadSymbol.W or LoadSymbol.E)
            {
                result.AddRange(Exclusive(cases, choice.Symbol, choice.Symbol == LoadSymbol.E ? factor * options.Redundancy : factor));
                continue;
            }

            factor = choice.Symbol == LoadSymbol.L && slot.Companion ? factor * options.LiveCompanion : factor;
            foreach (var a in Additive(cases, choice.Symbol, factor))
            {
                result.Add(named && a.Name is null ? a with { Name = choice.Symbol.ToString() } : a);
            }
        }

        return result.Count == 0 ? [Alternative.Nothing] : result;
    }

    // Wind cases exclude each other, and so do earthquake cases; the sign stands in the name even where there is only one.
    private static List<Alternative> Exclusive(IReadOnlyList<LoadCase?> cases, LoadSymbol symbol, double factor)
    {
        var result = new List<Alternative>();
        for (var i = 0; i < cases.Count; i++)
        {
            if (cases[i] is { } c && c.Symbol == symbol)
            {
                result.Add(new Alternative("+" + c.Name, [new Term(i, factor)]));
                if (c.Reversible)
                {
                    result.Add(new Alternative("-" + c.Name, [new Term(i, -factor)]));
                }
            }
        }

        return result.Count == 0 ? [Alternative.Nothing] : result;
    }

    // All cases of the symbol together; those that share a word for alternatives, and both signs of a reversible one, are taken in turn.
    private static List<Alternative> Additive(IReadOnlyList<LoadCase?> cases, LoadSymbol symbol, double factor)
    {
        var together = new List<Term>();
        var groups = new List<(string Word, List<Alternative> Alternatives)>();
        for (var i = 0; i < cases.Count; i++)
        {
            if (cases[i] is not { } c || c.Symbol != symbol)
            {
                continue;
            }

            if (c.Alternatives is null && !c.Reversible)
            {
                together.Add(new Term(i, factor));
                continue;
            }

            var word = c.Alternatives ?? "\0" + c.Name;
            var group = groups.FindIndex(g => g.Word == word);
            if (group < 0)
            {
                groups.Add((word, []));
                group = groups.Count - 1;
            }

            groups[group].Alternatives.Add(new Alternative(c.Reversible ? "+" + c.Name : c.Name, [new Term(i, factor)]));
            if (c.Reversible)
            {
                groups[group].Alternatives.Add(new Alternative("-" + c.Name, [new Term(i, -factor)]));
            }
        }

        var slots = groups.Select(g => (IReadOnlyList<Alternative>)g.Alternatives).Prepend([new Alternative(null, together)]).ToList();
        return [.. Product(slots).Select(p => new Alternative(p.Name.Length == 0 ? null : p.Name[1..], p.Terms))];
    }

    private static List<Alternative> Earth(IReadOnlyList<LoadCase> cases, double adds, double resists)
    {
        Alternative With(string name, double factor, Func<LoadCase, bool> which) =>
            new(name, [.. cases.Select((c, i) => (c, i)).Where(p => p.c.Symbol == LoadSymbol.H && which(p.c)).Select(p => new Term(p.i, factor))]);
        if (!cases.Any(c => c.Symbol == LoadSymbol.H))
        {
            return [Alternative.Nothing];
        }

        List<Alternative> result = [Alternative.Nothing, With("H+", adds, _ => true)];
        if (cases.Any(c => c.Symbol == LoadSymbol.H && c.Permanent))
        {
            result.Add(With("H-", resists, c => c.Permanent));
        }

        return result;
    }

    private static IEnumerable<(string Name, List<Term> Terms)> Product(IReadOnlyList<IReadOnlyList<Alternative>> slots)
    {
        IEnumerable<(string Name, List<Term> Terms)> result = [("", [])];
        foreach (var slot in slots)
        {
            result = result.SelectMany(r => slot.Select(a => (a.Name is null ? r.Name : r.Name + ":" + a.Name, r.Terms.Concat(a.Terms).ToList())));
        }

        return result;
    }

    private static int IndexOf(IReadOnlyList<LoadCase> cases, string name)
    {
        for (var i = 0; i < cases.Count; i++)
        {
            if (string.Equals(cases[i].Name, name, StringComparison.Ordinal))
            {
                return i;
            }
        }

        throw new ArgumentException($"no case \"{name}\"", nameof(name));
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
        key.Append(CultureInfo.InvariantCulture, $"{(int)c.For}|{c.WeightFactor:R}|{c.Counteracting}|{c.Transient}|{c.Least:R}");
        foreach (var t in c.Terms)
        {
            key.Append(CultureInfo.InvariantCulture, $"|{t.Case}:{t.Factor:R}");
        }

        return key.ToString();
    }
}
