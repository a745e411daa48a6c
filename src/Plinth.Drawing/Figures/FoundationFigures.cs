using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Figures;

/// <summary>A figure of one foundation.</summary>
public enum FigureKind
{
    /// <summary>Contact pressure.</summary>
    Pressure,

    /// <summary>Critical sections of shear.</summary>
    Sections,

    /// <summary>Shear and moment along the base.</summary>
    Forces,

    /// <summary>A metre of a wall and its base as a free body, with shear and moment up the wall.</summary>
    Body,

    /// <summary>Steel needed and provided.</summary>
    Steel,

    /// <summary>The pedestal under force with moments.</summary>
    Pedestal,

    /// <summary>Loads of the piles.</summary>
    Piles,

    /// <summary>Struts and ties of a cap on piles.</summary>
    Struts,

    /// <summary>The shaft of a pile under force with moments.</summary>
    Shaft,
}

/// <summary>Makes the figures of a foundation in the combination that governs, or in one asked for.</summary>
/// <param name="project">The project.</param>
/// <param name="foundation">The foundation.</param>
/// <param name="design">Its design.</param>
public sealed class FoundationFigures(Project project, Foundation foundation, FoundationDesign design)
{
    private readonly Checker checker = new(project, foundation);

    /// <summary>Makes a figure.</summary>
    /// <param name="kind">Which.</param>
    /// <param name="combination">Name of the combination; null: the one that governs what the figure shows.</param>
    /// <param name="width">Its width, mm.</param>
    /// <param name="height">Its greatest height, mm, where it is drawn to scale.</param>
    /// <returns>The figure; null where there is nothing to show.</returns>
    public Figure? Make(FigureKind kind, string? combination, double width, double height)
    {
        checker.Set(design);
        switch (kind)
        {
            case FigureKind.Steel when checker.Trials[0].Columns.Length > 1:
                // What a section has of its bars differs along such a base: its diagram says strength beside demand everywhere.
                return null;
            case FigureKind.Steel:
                return SteelView.Of(foundation.Mark, SteelFigure.Of(checker.Trials), project.Units, width);
            case FigureKind.Pedestal:
                var worst = checker.Trials.SelectMany(t => t.Columns.ToArray()).Select(InteractionFigure.Of)
                    .Where(f => f is not null)
                    .MaxBy(f => f!.Loads.Select(l => l.Utilisation).DefaultIfEmpty(0).Max());
                return worst is null
                    ? null
                    : InteractionView.Of($"{foundation.Mark}: pedestal, force with moments", worst, project.Units, width);
            case FigureKind.Shaft:
                var shaft = checker.Trials.Select(foundation.Kind.Shaft)
                    .Where(f => f is { Loads.Count: > 0 })
                    .MaxBy(f => f!.Loads[0].Utilisation);
                return shaft is null
                    ? null
                    : InteractionView.Of($"{foundation.Mark}: shaft of a pile, force with moments", shaft, project.Units, width);
            case FigureKind.Struts when checker.Find(design, "strut", null, combination) is var (modelled, at) && at >= 0:
                return foundation.Kind.Struts(modelled.Trial, at) is { } model
                    ? StrutsView.Of(foundation.Mark, modelled.Trial, at, model, width, height)
                    : null;
            case FigureKind.Struts:
                return null;
            default:
                return Governing(kind, combination) is not var (state, k) ? null : kind switch
                {
                    FigureKind.Piles =>
                        state.Piles.IsEmpty
                            ? null
                            : PilesView.Of(foundation.Mark, state, k, foundation.Kind.PileForces(state, k),
                                foundation.Kind.PileForces(state), width, height),
                    FigureKind.Pressure => PressureView.Of(foundation.Mark, state, k, width, height),
                    FigureKind.Sections when state.Columns.Length > 1 =>
                        SpanSectionsView.Of(foundation.Mark, state, Worst("one-way-shear-x", state, k, combination),
                            a => Worst(a, k, combination), width, height),
                    FigureKind.Forces when state.Columns.Length > 1 =>
                        state.Along(k) is { } along ? SpanForcesView.Of(foundation.Mark, state, k, along, width) : null,
                    FigureKind.Body =>
                        state.WallForces(k) is { } free ? WallForcesView.Of(foundation.Mark, state, k, free, width) : null,
                    FigureKind.Sections =>
                        SectionsView.Of(foundation.Mark, state,
                            (Worst("two-way-shear", state, k, combination), Worst("one-way-shear-x", state, k, combination),
                                Worst("one-way-shear-y", state, k, combination)), width, height),
                    _ => ForcesView.Of(foundation.Mark, state, k, width),
                };
        }
    }

    // The combination that governs one check at a place; where one is asked for, that.
    private int Worst(string id, Trial state, int otherwise, string? combination) =>
        combination is null && checker.Find(design, id, state.Place.Place.Name, null) is var (_, k) && k >= 0 ? k : otherwise;

    // The same of two-way shear round one column, or round two.
    private int Worst(PunchedArea area, int otherwise, string? combination) =>
        combination is null
            && checker.List.Find("two-way-shear")!.Findings(area.Trial)
                .FirstOrDefault(f => f.Subject == area) is { Subject: not null, Combination: >= 0 } found ? found.Combination : otherwise;

    /// <summary>Where what a figure shows governs, or its combination of a name.</summary>
    private (Trial State, int Combination)? Governing(FigureKind kind, string? combination)
    {
        string[] ids = kind switch
        {
            FigureKind.Pressure => ["bearing"],
            FigureKind.Piles => ["pile-compression", "pile-tension"],
            FigureKind.Body => ["wall-flexure", "flexure-top-y", "flexure-bottom-y"],
            FigureKind.Sections => ["two-way-shear", "one-way-shear-x", "one-way-shear-y"],
            _ => ["flexure-bottom-x", "flexure-bottom-y", "one-way-shear-x", "one-way-shear-y"],
        };
        (Trial State, int Combination)? found = null;
        var most = double.NegativeInfinity;
        foreach (var id in ids)
        {
            if (checker.List.Find(id) is not null && checker.Find(design, id, null, combination) is var (subject, k) && k >= 0
                && checker.List.Find(id)!.Worst(subject.Trial) is { } worst && worst.Outcome.Utilisation > most)
            {
                (found, most) = ((subject.Trial, k), worst.Outcome.Utilisation);
            }
        }

        return found;
    }
}
