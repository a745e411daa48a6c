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
        var found = new List<Alternative>();
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
                if (Placed(new BaseSize(plans[i].Length, plans[i].Width, thicknesses[t]), Pedestal(t)) is { } size
                    && !PlanExceeds(size, Pedestal(t)) && Complete(size, t) is { } design)
                {
                    found.Add(new Alternative(design, Quantities.Of(project, foundation, design), Cost(design), []));
                }
            }

            passed += found.Count > before ? 1 : 0;
        }

        return Alternative.Best(found);
    }
}
