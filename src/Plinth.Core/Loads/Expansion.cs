using System.Collections.Immutable;

namespace Plinth.Core.Loads;

/// <summary>One of several loads that exclude each other in a combination, with the name it adds to the combination's.</summary>
internal sealed record Alternative(string? Name, IReadOnlyList<Term> Terms)
{
    public static readonly Alternative Nothing = new(null, []);
}

/// <summary>The cases of a project, or those of them that are open, and what a standard makes of them.</summary>
internal sealed class Expansion(IReadOnlyList<LoadCase> cases, LoadOptions options, Action<Combination> keep,
    Action<DroppedCombination> drop, bool? behindWalls = null)
{
    public IReadOnlyList<LoadCase> Cases => cases;

    /// <summary>
    /// Whether it makes what is for the footings of walls that hold back soil, or what is for all others; null: for both, where there are
    /// no such walls or the engineer's own combinations are made.
    /// </summary>
    public bool? BehindWalls => behindWalls;

    // Cases of the soil behind walls stand in no combination of other footings.
    private bool Stands(LoadCase c) => !c.IsBehindWall || behindWalls != false;

    public LoadOptions Options => options;

    public void Drop(DroppedCombination dropped) => drop(dropped);

    /// <summary>Whether any case has a symbol.</summary>
    public bool Has(LoadSymbol symbol) => Any(c => c.Symbol == symbol);

    /// <summary>Whether any case passes a test.</summary>
    public bool Any(Func<LoadCase, bool> of) => cases.Any(c => Stands(c) && of(c));

    /// <summary>Hands over a combination of the standard.</summary>
    public void Keep(string name, Family family, IEnumerable<Term> terms, double weights, bool counteracting, string clause, string rule,
        LimitState state = LimitState.None) =>
        keep(Make(name, family, terms, weights, null, null, counteracting, clause, rule) with { State = state });

    /// <summary>Makes a combination; it is transient if it holds wind, earthquake or an accident, unless that is stated.</summary>
    public Combination Make(string name, Family family, IEnumerable<Term> terms, double weights, bool? transient, double? least,
        bool counteracting, string? clause, string rule)
    {
        var sorted = terms.Where(t => t.Factor != 0 || t.Tips != 0 || t.Holds != 0).OrderBy(t => t.Case).ToImmutableArray();
        var isTransient = transient ?? sorted.Any(t => cases[t.Case].Symbol is LoadSymbol.W or LoadSymbol.E or LoadSymbol.A);
        return new Combination(name, family, sorted, weights, isTransient, counteracting, least, clause, rule)
        {
            BehindWalls = behindWalls,
        };
    }

    /// <summary>The cases of a symbol, which exclude each other; the sign stands in the name even where there is only one.</summary>
    /// <param name="symbol">The symbol.</param>
    /// <param name="factor">The factor of each.</param>
    /// <param name="open">Which cases are open to it; null: all.</param>
    public List<Alternative> Exclusive(LoadSymbol symbol, double factor, Func<LoadCase, bool>? open = null) =>
        Exclusive(symbol, _ => factor, open);

    /// <summary>The cases of a symbol, which exclude each other, each with a factor of its own.</summary>
    public List<Alternative> Exclusive(LoadSymbol symbol, Func<LoadCase, double> factor, Func<LoadCase, bool>? open = null)
    {
        var result = new List<Alternative>();
        foreach (var (c, i) in Of(symbol, open))
        {
            result.AddRange(Signed(c, i, factor(c)));
        }

        return result.Count == 0 ? [Alternative.Nothing] : result;
    }

    /// <summary>
    /// Earthquake cases, which exclude each other; where the other direction acts beside them, each with its share of every case of that,
    /// both signs.
    /// </summary>
    /// <param name="factor">Factor of each.</param>
    /// <param name="overturning">Share of it that counts in uplift and overturning.</param>
    /// <param name="open">Which cases are open to it; null: all.</param>
    public List<Alternative> Earthquake(double factor, double overturning = 1, Func<LoadCase, bool>? open = null)
    {
        Term One(int i, double f) => new(i, f, f * overturning, f * overturning);
        var share = options.Orthogonal;
        var result = new List<Alternative>();
        foreach (var (c, i) in Of(LoadSymbol.E, open))
        {
            var others = share == 0
                ? []
                : Of(LoadSymbol.E, open).Where(o => o.Case.Direction is { } d && c.Direction is { } own && d != own).ToList();
            foreach (var main in Signed(c, i, factor))
            {
                Alternative own = new(main.Name, [One(i, main.Terms[0].Factor)]);
                if (others.Count == 0)
                {
                    result.Add(own);
                }

                foreach (var (other, j) in others)
                {
                    foreach (var beside in Signed(other, j, share * factor))
                    {
                        result.Add(new Alternative($"{own.Name}:{share.Text()}{other.Name}{beside.Name![0]}",
                            [.. own.Terms, One(j, beside.Terms[0].Factor)]));
                    }
                }
            }
        }

        return result.Count == 0 ? [Alternative.Nothing] : result;
    }

    /// <summary>
    /// All cases of a symbol together; those that share a word for alternatives, and both signs of a reversible one, are taken in turn.
    /// </summary>
    public List<Alternative> Additive(LoadSymbol symbol, double factor, Func<LoadCase, bool>? open = null) =>
        Additive(c => c.Symbol == symbol && (open is null || open(c)), (_, i) => new Term(i, factor));

    /// <summary>All cases that a test picks together, each with a term of its own.</summary>
    public List<Alternative> Additive(Func<LoadCase, bool> which, Func<LoadCase, int, Term> term)
    {
        var together = new List<Term>();
        var groups = new List<(string Word, List<Alternative> Alternatives)>();
        for (var i = 0; i < cases.Count; i++)
        {
            var c = cases[i];
            if (!which(c) || !Stands(c))
            {
                continue;
            }

            var own = term(c, i);
            if (c.Alternatives is null && !c.Reversible)
            {
                together.Add(own);
                continue;
            }

            var word = c.Alternatives ?? "\0" + c.Name;
            var group = groups.FindIndex(g => g.Word == word);
            if (group < 0)
            {
                groups.Add((word, []));
                group = groups.Count - 1;
            }

            groups[group].Alternatives.Add(new Alternative(c.Reversible ? "+" + c.Name : c.Name, [own]));
            if (c.Reversible)
            {
                groups[group].Alternatives.Add(new Alternative("-" + c.Name, [own.Times(-1)]));
            }
        }

        var slots = groups.Select(g => (IReadOnlyList<Alternative>)g.Alternatives).Prepend([new Alternative(null, together)]).ToList();
        return [.. Product(slots).Select(p => new Alternative(p.Name.Length == 0 ? null : p.Name[1..], p.Terms))];
    }

    /// <summary>
    /// H: absent, adding, or resisting where it is permanent; the soil behind a wall that holds it back always adds.
    /// </summary>
    public List<Alternative> Earth(double adds, double resists)
    {
        List<Alternative> result = [Alternative.Nothing];
        if (cases.Any(c => c.Symbol == LoadSymbol.H && !c.IsBehindWall))
        {
            result.Add(new("H+", [.. Of(LoadSymbol.H, c => !c.IsBehindWall).Select(p => new Term(p.Index, adds))]));
        }

        if (cases.Any(c => c.Symbol == LoadSymbol.H && c.Permanent))
        {
            result.Add(new Alternative("H-", [.. Of(LoadSymbol.H, c => c.Permanent).Select(p => new Term(p.Index, resists))]));
        }

        if (behindWalls != true)
        {
            return result;
        }

        var behind = Of(LoadSymbol.H, c => c.IsBehindWall).Select(p => new Term(p.Index, adds)).ToList();
        return [.. result.Select(a => new Alternative(a.Name is null ? LoadCase.EarthName : $"{a.Name}:{LoadCase.EarthName}",
            [.. a.Terms, .. behind]))];
    }

    /// <summary>Every way to take one alternative of each slot; names are led by colons.</summary>
    public static IEnumerable<(string Name, List<Term> Terms)> Product(IEnumerable<IReadOnlyList<Alternative>> slots)
    {
        IEnumerable<(string Name, List<Term> Terms)> result = [("", [])];
        foreach (var slot in slots)
        {
            result =
                result.SelectMany(
                    r => slot.Select(a => (a.Name is null ? r.Name : r.Name + ":" + a.Name, r.Terms.Concat(a.Terms).ToList())));
        }

        return result;
    }

    private static IEnumerable<Alternative> Signed(LoadCase c, int index, double factor)
    {
        yield return new Alternative("+" + c.Name, [new Term(index, factor)]);
        if (c.Reversible)
        {
            yield return new Alternative("-" + c.Name, [new Term(index, -factor)]);
        }
    }

    private IEnumerable<(LoadCase Case, int Index)> Of(LoadSymbol symbol, Func<LoadCase, bool>? open)
    {
        for (var i = 0; i < cases.Count; i++)
        {
            if (cases[i].Symbol == symbol && Stands(cases[i]) && (open is null || open(cases[i])))
            {
                yield return (cases[i], i);
            }
        }
    }
}
