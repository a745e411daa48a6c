using System.Globalization;
using static Plinth.Core.Loads.LoadSymbol;

namespace Plinth.Core.Loads;

/// <summary>
/// Combinations of EN 1990 6.4.3 and 6.5.3 with the sets of its table A1.2 and the design approaches of EN 1997-1 2.4.7.3.4. Permanent
/// actions are
/// taken as of one source: all at γG,sup or all at γG,inf. A variable action leads in turn; the others accompany it, each present or, where
/// it
/// would help, absent (γQ,inf = 0).
/// </summary>
/// <remarks>
/// Imposed loads of categories A to G are one action (EN 1991-1-1 3.3.1(2)); those on roofs, category H, never act beside snow or wind
/// (3.3.2(1)).
/// In EQU and UPL the permanent part that tips or lifts takes γG,dst and the part that holds γG,stb, case by case.
/// </remarks>
public sealed class En1990 : LoadStandard
{
    // Tipping is a matter of EQU alone, lifting one of UPL (EN 1997-1 2.4.7.1).
    private const Family Ultimate = Family.Ground | Family.Sliding | Family.Concrete;

    /// <inheritdoc/>
    public override string Id => "en1990";

    /// <inheritdoc/>
    public override string Name => "EN 1990";

    /// <inheritdoc/>
    public override IReadOnlyList<LoadSymbol> Symbols { get; } = [G, Q, S, W, T, A, E];

    /// <inheritdoc/>
    public override LoadCase Surcharge => new(LoadCase.SurchargeName, Q) { Category = "E" };

    /// <inheritdoc/>
    /// <remarks>
    /// Soil and water behind a wall are permanent and never help: always at γG,sup, whatever the other permanent actions take. What stands
    /// on the soil is a variable action of its own. The set M2 divides tan φ' too (EN 1997-1 2.4.7.3.4), which the pressures hold.
    /// </remarks>
    public override IReadOnlyList<LoadCase> BehindWalls { get; } =
    [
        new(LoadCase.EarthName, G) { IsBehindWall = true }, new(LoadCase.WaterName, G) { IsBehindWall = true },
        new(LoadCase.BehindName, Q) { IsBehindWall = true, Category = "E" },
    ];

    internal override void Expand(Expansion expansion)
    {
        var o = expansion.Options.Eurocode;
        const string Equ = "EN 1990 6.4.3.2, table A1.2(A)";
        Fundamental(expansion, "EQU", Family.Overturning, LimitState.Equ, Equ, o.Equ, 1, false);
        Fundamental(expansion, "UPL", Family.Uplift, LimitState.Upl, "EN 1997-1 2.4.7.4, table A.15", o.Upl, 1, false);
        var approach = $"EN 1997-1 2.4.7.3.4.{o.DesignApproach + 1}";
        if (o.SplitExpression)
        {
            Fundamental(expansion, "Ba", Ultimate, LimitState.SetB, $"EN 1990 eq. 6.10a, table A1.2(B), {approach}", o.SetB, 1, true);
            Fundamental(expansion, "Bb", Ultimate, LimitState.SetB, $"EN 1990 eq. 6.10b, table A1.2(B), {approach}", o.SetB,
                o.SetB.Reduction, false);
        }
        else
        {
            Fundamental(expansion, "B", Ultimate, LimitState.SetB, $"EN 1990 eq. 6.10, table A1.2(B), {approach}", o.SetB, 1, false);
        }

        if (o.DesignApproach == 1)
        {
            Fundamental(expansion, "C", Ultimate, LimitState.SetC, $"EN 1990 eq. 6.10, table A1.2(C), {approach}", o.SetC, 1, false);
        }

        Accidental(expansion);
        Seismic(expansion);
        Family Settles(SettlementSet set) => o.Settlement == SettlementSet.All || o.Settlement == set ? Family.Settlement : Family.None;
        Service(expansion, "CHAR", Family.Ground | Settles(SettlementSet.Characteristic), LimitState.Characteristic, "G + Q1 + Σψ0·Qi",
            "EN 1990 eq. 6.14b", _ => 1, p => p.Combination);
        if (o.Settlement == SettlementSet.All)
        {
            Service(expansion, "FREQ", Family.Settlement, LimitState.Frequent, "G + ψ1·Q1 + Σψ2·Qi", "EN 1990 eq. 6.15b", p => p.Frequent,
                p => p.QuasiPermanent);
        }

        Service(expansion, "QP", Settles(SettlementSet.QuasiPermanent) | Family.Crack, LimitState.QuasiPermanent, "G + Σψ2·Qi",
            "EN 1990 eq. 6.16b", null, p => p.QuasiPermanent);
    }

    private static void Fundamental(Expansion e, string set, Family family, LimitState state, string clause, PartialFactors f,
        double reduction, bool leadIsReduced)
    {
        var o = e.Options.Eurocode;
        var up = f.Unfavourable * reduction;
        var byCase = state is LimitState.Equ or LimitState.Upl;
        List<(Alternative G, double Weights)> permanent = byCase
            ? [.. Permanent(e, f.Favourable, f.Unfavourable, f.Unfavourable, null)]
            : up == f.Favourable ? [.. Permanent(e, up, up, up, null)]
            : [.. Permanent(e, up, up, up, "Gsup"), .. Permanent(e, f.Favourable, f.Favourable, up, "Ginf")];

        // Approach 3: what acts on the ground itself takes the factors of set C, what comes from the structure those of set B.
        double Variable(LoadCase c) => o.DesignApproach == 3 && c.IsSurcharge && state == LimitState.SetB ? o.SetC.Variable : f.Variable;
        double Companion(LoadCase c) => Variable(c) * o.Of(c).Combination;
        var g = byCase ? string.Create(CultureInfo.InvariantCulture, $"({f.Unfavourable} tips|{f.Favourable} holds)G")
            : up == f.Favourable ? up.Text() + "G"
            : string.Create(CultureInfo.InvariantCulture, $"({up:0.####}|{f.Favourable})G");
        var q = f.Variable.Text();
        var text = leadIsReduced ? $"{g} + {q}ψ0·Q1 + Σ{q}ψ0·Qi" : $"{g} + {q}Q1 + Σ{q}ψ0·Qi";
        foreach (var (alternative, weights) in permanent)
        {
            foreach (var (name, terms) in Variables(e, leadIsReduced ? Companion : Variable, Companion))
            {
                e.Keep(set + alternative.Name + name, family, alternative.Terms.Concat(terms), weights, false, clause, text, state);
            }
        }
    }

    private static void Accidental(Expansion e)
    {
        var o = e.Options.Eurocode;
        var text = $"G + A + {(o.AccidentalFrequent ? "ψ1" : "ψ2")}·Q1 + Σψ2·Qi";
        if (!e.Has(A))
        {
            e.Drop(new DroppedCombination("ACC", text, "no case of A, which it is about"));
            return;
        }

        foreach (var accident in e.Exclusive(A, 1))
        {
            foreach (var (name, terms) in Variables(e, o.AccidentalFrequent ? c => o.Of(c).Frequent : null, c => o.Of(c).QuasiPermanent))
            {
                Each(e, "ACC", $":{accident.Name}{name}", Ultimate, [.. accident.Terms, .. terms], "EN 1990 eq. 6.11b", text,
                    LimitState.Accidental);
            }
        }
    }

    private static void Seismic(Expansion e)
    {
        const string Text = "G + E + Σψ2·Qi";
        if (!e.Has(E))
        {
            e.Drop(new DroppedCombination("SEIS", Text, "no case of E, which it is about"));
            return;
        }

        double Companion(LoadCase c) => e.Options.Eurocode.Of(c).QuasiPermanent;
        foreach (var quake in e.Earthquake(1))
        {
            foreach (var (name, terms) in Variables(e, null, Companion))
            {
                Each(e, "SEIS", $":{quake.Name}{name}", Ultimate, [.. quake.Terms, .. terms], "EN 1990 eq. 6.12b", Text,
                    LimitState.Seismic);
            }
        }
    }

    private static void Service(Expansion e, string set, Family family, LimitState state, string text, string clause,
        Func<PsiFactors, double>? leading, Func<PsiFactors, double> companion)
    {
        var o = e.Options.Eurocode;
        foreach (var (name, terms) in Variables(e, leading is null ? null : c => leading(o.Of(c)), c => companion(o.Of(c))))
        {
            Each(e, set, name, family, terms, clause, text, state);
        }
    }

    private static void Each(Expansion e, string set, string name, Family family, List<Term> terms, string clause, string text,
        LimitState state)
    {
        foreach (var (permanent, weights) in Permanent(e, 1, 1, 1, null))
        {
            e.Keep(set + permanent.Name + name, family, permanent.Terms.Concat(terms), weights, false, clause, text, state);
        }
    }

    // All permanent cases; those that exclude each other in turn. Names are led by colons, so that they follow the set's.
    private static IEnumerable<(Alternative G, double Weights)> Permanent(Expansion e, double factor, double tips, double behind,
        string? name) =>
        e.Additive(c => c.Symbol == G, (c, i) => c.IsBehindWall ? new Term(i, behind) : new Term(i, factor, tips, factor))
            .Select(a => (new Alternative((name is null ? "" : ":" + name) + (a.Name is null ? "" : ":" + a.Name), a.Terms), factor));

    // Every variable action leads in turn, beside every subset of the others that may act with it; and none at all. Without a factor for a
    // leading action every subset stands once.
    private static IEnumerable<(string Name, List<Term> Terms)> Variables(Expansion e, Func<LoadCase, double>? leading,
        Func<LoadCase, double> companion)
    {
        Action[] actions =
        [
            new("Q", c => c.Symbol == Q && c.Category != "H" && !c.IsBehindWall),
            new(LoadCase.BehindName, c => c.Symbol == Q && c.IsBehindWall),
            new("H", c => c.Symbol == Q && c.Category == "H"),
            new("S", c => c.Symbol == S),
            new("W", c => c.Symbol == W),
            new("T", c => c.Symbol == T),
        ];
        if (leading is null)
        {
            return Allowed(e,
                Expansion.Product(
                    [.. actions.Select(a => (IReadOnlyList<Alternative>)[Alternative.Nothing, .. a.Alternatives(e, companion)])]));
        }

        IEnumerable<(string Name, List<Term> Terms)> result = [("", [])];
        foreach (var lead in actions.Where(a => a.Alternatives(e, leading).Count > 0))
        {
            var beside = actions.Where(a => a != lead)
                .Select(a => (IReadOnlyList<Alternative>)[Alternative.Nothing, .. a.Alternatives(e, companion)]);
            result = result.Concat(Allowed(e, Expansion.Product([lead.Alternatives(e, leading), .. beside])));
        }

        return result;
    }

    private static IEnumerable<(string Name, List<Term> Terms)> Allowed(Expansion e, IEnumerable<(string Name, List<Term> Terms)> all) =>
        all.Where(p => !(p.Terms.Any(t => e.Cases[t.Case].Category == "H") && p.Terms.Any(t => e.Cases[t.Case].Symbol is S or W)));

    /// <summary>One variable action of the building: all its cases, as alternatives.</summary>
    private sealed record Action(string Name, Func<LoadCase, bool> Which)
    {
        public List<Alternative> Alternatives(Expansion e, Func<LoadCase, double> factor)
        {
            if (!e.Cases.Any(c => Which(c) && factor(c) != 0))
            {
                return [];
            }

            if (Name == "W")
            {
                return e.Exclusive(W, factor);
            }

            // All of it, and all but each free case in turn.
            IEnumerable<Alternative> Without(LoadCase? free) => e.Additive(c => Which(c) && c != free, (c, i) => new Term(i, factor(c)))
                .Where(a => free is null || a.Terms.Count > 0)
                .Select(a => a with { Name = (a.Name is null ? Name : $"{Name}:{a.Name}") + (free is null ? "" : ":no" + free.Name) });
            return [.. Without(null), .. e.Cases.Where(c => Which(c) && c.Free).SelectMany(Without)];
        }
    }
}
