using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Isolated;

/// <content>Designs side by side.</content>
internal sealed partial class IsolatedSizer
{
    // So many plan steps beyond the smallest, and so many thicknesses from the first that passes, are looked at.
    private const int PlanStepsLooked = 6;
    private const int ThicknessesLooked = 10;

    /// <inheritdoc/>
    public override IReadOnlyList<Alternative> Alternatives()
    {
        var found = new List<(FoundationDesign Design, Quantities Each, double Cost)>();
        var passed = 0;
        for (var t = 0; t < thicknesses.Length && passed < ThicknessesLooked; t++)
        {
            if (!LevelsFit(thicknesses[t]) || (joints.HasPedestal && Pedestal(t) is null) || SmallestPlan(t) is not { } smallest)
            {
                continue;
            }

            var before = found.Count;
            var first = FirstOfArea((smallest.Length * smallest.Width) - 1e-9);
            for (var i = first; i < Math.Min(plans.Count, first + PlanStepsLooked + 1); i++)
            {
                if (Placed(new BaseSize(plans[i].Length, plans[i].Width, thicknesses[t]), Pedestal(t)) is { } size && !PlanExceeds(size, Pedestal(t)) && Complete(size, t) is { } design)
                {
                    found.Add((design, Quantities.Of(project, foundation, design), Cost(design)));
                }
            }

            passed += found.Count > before ? 1 : 0;
        }

        (string Name, Func<(FoundationDesign Design, Quantities Each, double Cost), double> By)[] aims =
        [
            ("least plan", d => d.Design.Size.Length * d.Design.Size.Width), ("least thickness", d => d.Design.Size.Thickness), ("least steel", d => d.Each.Steel),
            ("least concrete", d => d.Each.Concrete), ("cheapest", d => d.Cost),
        ];

        // Of equals the cheaper.
        var best = aims.Select(a => (a.Name, Index: found.Count == 0 ? -1 : Enumerable.Range(0, found.Count).MinBy(i => (Math.Round(a.By(found[i]), 9), found[i].Cost)))).ToList();
        return [.. best.Where(b => b.Index >= 0).GroupBy(b => b.Index).Select(g => new Alternative(found[g.Key].Design, found[g.Key].Each, found[g.Key].Cost, [.. g.Select(b => b.Name)])).OrderBy(a => a.Design.Size.Thickness).ThenBy(a => a.Design.Size.Length)];
    }
}
