namespace Plinth.Core.Loads;

/// <summary>A load standard of the ASCE 7 family: its rules as data, expanded over the cases in one way.</summary>
public abstract class Asce7 : LoadStandard
{
    /// <summary>Families of the strength combinations.</summary>
    protected const Family Strength = Family.Concrete;

    /// <summary>Families of the allowable-stress combinations.</summary>
    protected const Family Service = Family.Ground | Family.Stability;

    /// <summary>Families of those of them that hold neither wind nor earthquake.</summary>
    protected const Family Sustained = Service | Family.Settlement;

    private static readonly LoadSymbol[] Known = [LoadSymbol.D, LoadSymbol.L, LoadSymbol.Lr, LoadSymbol.S, LoadSymbol.R, LoadSymbol.W,
        LoadSymbol.E, LoadSymbol.H, LoadSymbol.F, LoadSymbol.T];

    /// <summary>Its rules, in its order.</summary>
    public abstract IReadOnlyList<LoadRule> Rules { get; }

    /// <inheritdoc/>
    public override IReadOnlyList<LoadSymbol> Symbols => Known;

    // H by 2.3.1 and 2.4.1: adds with 1.6 or 1.0, resists with 0.9 or 0.6 where it is permanent.
    private static (double Adds, double Resists) Earth(bool strength) => strength ? (1.6, 0.9) : (1.0, 0.6);

    internal override void Expand(Expansion expansion)
    {
        foreach (var rule in Rules)
        {
            Expand(rule, expansion);
            if (expansion.BehindWalls == true && AgainstWind(rule))
            {
                Expand(WithoutWind(rule), expansion);
            }
        }
    }

    // What holds least against the soil behind a wall: the least dead load beside it, with no wind (H adds, 2.3.1 and 2.4.1).
    private static bool AgainstWind(LoadRule rule) =>
        rule.Dead < 1 && rule.Slots is [{ Need: Need.Present, Choices: [{ Symbol: LoadSymbol.W }] }];

    private static LoadRule WithoutWind(LoadRule rule) => rule with
    {
        Number = rule.Number + ":noW",
        Text = $"{rule.Dead.Text()}D + {((rule.For & Family.Concrete) != 0 ? Earth(true) : Earth(false)).Adds.Text()}H",
        Slots = [],
    };

    private static void Expand(LoadRule rule, Expansion e)
    {
        if (Missing(rule, e) is { } missing)
        {
            e.Drop(new DroppedCombination(rule.Number, rule.Text, missing));
            return;
        }

        var strength = (rule.For & Family.Concrete) != 0;
        var vertical = rule.Counteracting && !e.Options.VerticalAtSoil ? 0 : rule.Vertical;
        var dead = rule.Dead + (vertical * e.Options.Sds);
        var slots = new List<IReadOnlyList<Alternative>> { e.Additive(LoadSymbol.D, dead) };
        var leads = rule.Slots.Any(s => s.Need == Need.Present);
        foreach (var slot in rule.Slots)
        {
            var alternatives = Alternatives(slot, strength, e);
            if (e.Options.LoadsNotActing && slot.Need != Need.Present && leads && alternatives[0] != Alternative.Nothing)
            {
                alternatives.Add(new Alternative("no"
                    + (slot.Choices.Count == 1 ? slot.Choices[0].Symbol.ToString() : slot.Choices[0].Symbol == LoadSymbol.L ? "L" : "roof"),
                    []));
            }

            slots.Add(alternatives);
        }

        if (rule.Fluid)
        {
            slots.Add(e.Additive(LoadSymbol.F, rule.Dead));
        }

        var (adds, resists) = Earth(strength);
        slots.Add(e.Earth(adds, resists));
        foreach (var (name, terms) in Expansion.Product(slots))
        {
            e.Keep(rule.Number + name, rule.For, terms, dead, rule.Counteracting, rule.Clause, rule.Text);
        }
    }

    private static string? Missing(LoadRule rule, Expansion e)
    {
        bool Has(Slot slot) => slot.Choices.Any(choice => e.Has(choice.Symbol));
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

    private static List<Alternative> Alternatives(Slot slot, bool strength, Expansion e)
    {
        var result = new List<Alternative>();
        var named = slot.Choices.Count > 1;
        foreach (var choice in slot.Choices.Where(c => e.Has(c.Symbol)))
        {
            switch (choice.Symbol)
            {
                case LoadSymbol.E:
                    // 12.13.4 reduces what overturns at the ground, so it never reaches the concrete, bearing or sliding.
                    result.AddRange(e.Earthquake(choice.Factor * e.Options.Redundancy, strength ? 1 : 1 - e.Options.OverturningReduction));
                    break;
                case LoadSymbol.W:
                    result.AddRange(e.Exclusive(LoadSymbol.W, choice.Factor));
                    break;
                default:
                    var factor = choice.Symbol == LoadSymbol.L && slot.Companion ? choice.Factor * e.Options.LiveCompanion : choice.Factor;

                    // What stands behind a wall is no floor load that may be taken at half.
                    List<Alternative> Together(Func<LoadCase, bool> of) => e.Additive(c => c.Symbol == choice.Symbol && of(c),
                        (c, i) => new Term(i, c.IsBehindWall ? choice.Factor : factor));
                    result.AddRange(Together(_ => true)
                        .Select(a => named && a.Name is null ? a with { Name = choice.Symbol.ToString() } : a));
                    foreach (var (of, name) in choice.Symbol == LoadSymbol.L ? Apart(e) : [])
                    {
                        result.AddRange(Together(of).Select(a => a with { Name = a.Name is null ? name : $"{name}:{a.Name}" }));
                    }

                    break;
            }
        }

        return result.Count == 0 ? [Alternative.Nothing] : result;
    }

    // Surcharges are live loads that need not come with those of the floors, nor these with them (2.3.1 and 2.4.1: loads that do not act).
    // Over a base the absence of one is a state of the combination; what pushes a wall has terms of its own.
    private static IEnumerable<(Func<LoadCase, bool> Of, string Name)> Apart(Expansion e)
    {
        bool Any(Func<LoadCase, bool> of) => e.Any(c => c.Symbol == LoadSymbol.L && of(c));
        if (!e.Options.LoadsNotActing || !Any(c => c.HasReactions) || !Any(c => !c.HasReactions))
        {
            yield break;
        }

        yield return (c => !c.HasReactions, "surcharge");
        if (Any(c => c.IsBehindWall))
        {
            yield return (c => !c.IsBehindWall, "no" + LoadCase.BehindName);
        }
    }
}
