using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>How far dowels run on into the column: a lap with its bars.</summary>
public static class DowelLap
{
    /// <summary>Length of the lap, m; 0 without dowels.</summary>
    /// <param name="trace">Records the steps.</param>
    /// <param name="code">The design code.</param>
    /// <param name="rules">The rules of the foundation.</param>
    /// <param name="support">The column.</param>
    /// <param name="dowels">The dowels.</param>
    /// <param name="pulled">Whether some combination pulls at the joint: a tension lap; else one under compression.</param>
    public static double Length<T>(ref T trace, ConcreteCode code, RuleSet rules, Support support, BarLayer dowels, bool pulled)
        where T : struct, ITrace
    {
        ArgumentNullException.ThrowIfNull(code);
        ArgumentNullException.ThrowIfNull(rules);
        ArgumentNullException.ThrowIfNull(support);
        if (dowels.Size is not { } size)
        {
            return 0;
        }

        var column = rules.Concrete with { Strength = rules.Column.Strength ?? rules.Concrete.Strength };
        var toCentre = ToCentre(code, rules, size);
        var bar = new LappedBar(size, rules.Column.Bars?.Size, rules.Steel.Yield, Gap(code, rules, support, dowels), toCentre);
        var pressed = code.CompressionLap(ref trace, column, bar);
        return pulled ? Math.Max(pressed, code.TensionLap(ref trace, column, bar)) : pressed;
    }

    /// <summary>
    /// Whether some combination of the concrete pulls at the joint of a column with its dowels: lifts it, or stands beyond its kern.
    /// </summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">Its design: how high the joint stands.</param>
    /// <param name="column">Which column, in the order of the supports.</param>
    public static bool Pulled(Project project, Foundation foundation, FoundationDesign design, int column)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var upright = design.Under(column);
        if (upright.Dowels.Size is null)
        {
            return false;
        }

        foreach (var place in foundation.Places)
        {
            var top = place.Ground.Underside(design.WholeDepth) + design.ThicknessUnder(column);
            var support = place.Supports[column];
            var foot = upright.Pedestal is null
                ? top
                : foundation.Rules.Pedestal.TopLevel(support, top, upright.Pedestal.Socket?.Depth) ?? top;
            var arm = (support.Level ?? foot) - foot;
            var actions = project.Actions[support.Label];
            foreach (var combination in project.CombinationsOf(foundation).Used)
            {
                if (!combination.IsFor(Family.Concrete))
                {
                    continue;
                }

                var sum = default(SupportAction);
                foreach (var term in combination.Terms)
                {
                    if (project.Cases[term.Case].HasReactions)
                    {
                        sum += term.Factor * actions[term.Case];
                    }
                }

                var own = sum.InAxesTurnedBy(support.AngleDegrees);
                if (JointSections.Pulls(new SectionAction(own.N, own.Fx, own.Fy, own.Mx - (arm * own.Fy), own.My + (arm * own.Fx)),
                    support))
                {
                    return true;
                }
            }
        }

        return false;
    }

    /// <summary>Least distance of neighbouring dowels as they stand in the column, centre to centre, m.</summary>
    internal static double Gap(ConcreteCode code, RuleSet rules, Support support, BarLayer dowels)
    {
        var round = support.Shape == ColumnShape.Round;
        return ColumnSection.LeastGap(support.SizeX, round ? support.SizeX : support.SizeY, round, dowels.Count,
            ToCentre(code, rules, dowels.Size!));
    }

    // The column's ties are not stated: taken as the least allowed.
    private static double ToCentre(ConcreteCode code, RuleSet rules, BarSize dowel) =>
        rules.Column.Cover + code.LeastTie(dowel.Diameter) + (dowel.Diameter / 2);
}
