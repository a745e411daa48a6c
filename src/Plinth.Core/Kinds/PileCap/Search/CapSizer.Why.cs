using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <content>What the search tells: what stopped it, what stops the next smaller step, layouts side by side.</content>
internal sealed partial class CapSizer
{
    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var (design, result) = ((CapDesign)adopted, new List<(string, SizingStop?)>());
        if (Prepare() is { } vain)
        {
            return [("any cap", vain)];
        }

        foreach (var layout in Layouts().SelectMany(g => g).Where(l => l.Count < design.Piles.Length).OrderByDescending(l => l.Count))
        {
            result.Add((layout.Count == 1 ? "1 pile" : $"layout {layout.Name}, {layout.Count} piles", StopOf(layout)));
        }

        var rules = Foundation.Rules.Sizing;
        if (Foundation.Held.Thickness is null)
        {
            var h = Math.Round(design.Size.Thickness - rules.ThicknessStep, 6);
            result.Add(h < rules.LeastThickness - 1e-9
                ? ($"thickness {Dimension.Section(h, Project.Units)}",
                    new SizingStop(null, null, null, 0, "below the range [sizing] range.thickness", null))
                : ($"thickness {Dimension.Section(h, Project.Units)}",
                    Try(design with { Size = design.Size with { Thickness = h } }, true)));
        }

        var step = Project.Units == UnitSystem.Us ? FeetStep : LengthStep;
        if (lengthIsSought && design.PileLength is { } length && length > step + 1e-9)
        {
            var shorter = Math.Round(length - step, 6);
            result.Add(($"piles {Dimension.Plan(shorter, Project.Units)} long", Try(design with { PileLength = shorter }, false)));
        }

        (string Name, BarSpec Spec, BarSpec? Held, Func<BarSpec, CapDesign> With)[] layers =
        [
            ("bottom-x", design.BottomX, Foundation.Held.BottomX, b => design with { BottomX = b }),
            ("bottom-y", design.BottomY, Foundation.Held.BottomY, b => design with { BottomY = b }),
            ("top-x", design.TopX, Foundation.Held.TopX, b => design with { TopX = b }),
            ("top-y", design.TopY, Foundation.Held.TopY, b => design with { TopY = b }),
        ];
        foreach (var (name, spec, held, with) in layers)
        {
            if (spec is { Size: not null, Count: > 2 } && held is null)
            {
                // Of those in bands as many as leave like bands alike.
                var least = spec.Band > 0 ? 2 : 1;
                BarSpec Fewer(int n) => spec with { Count = spec.Count - n, Band = spec.Band > 0 ? spec.Band - n : 0 };
                var n = Enumerable.Range(1, Math.Max(1, (spec.Band > 0 ? spec.Band : spec.Count) - least))
                    .FirstOrDefault(n => CapFaults.Of(Foundation, with(Fewer(n)), Project.Units) is null, 1);
                result.Add(($"{name} {Fewer(n)}", Try(with(Fewer(n)), false)));
            }
        }

        return result;
    }

    // What stops a design; null: it passes.
    private SizingStop? Try(CapDesign smaller, bool anyBars)
    {
        if (CapFaults.Of(Foundation, smaller, Project.Units) is { } fault)
        {
            return new SizingStop(null, null, null, 0, fault.Message, null);
        }

        checker.Set(smaller);
        if (anyBars)
        {
            if (planChecks.Fail())
            {
                return Stop(planChecks.Failure!.Value, "");
            }

            if (Complete(smaller) is not { } completed)
            {
                return Lacking("");
            }

            smaller = completed;
        }

        var check = checker.Check(smaller);
        var g = check.Governing;
        return check.Passes ? null : new SizingStop(g.Id, g.Place, g.Combination, g.Utilisation, "", g.Note);
    }

    private SizingStop Lacking(string bound)
    {
        var failure = joints.Select(j => j.LastFailure).FirstOrDefault(f => f is not null);
        return search.Find() is null
            ? search.Nearest() is { } lacking
                ? Stop(lacking, bound)
                : new SizingStop(null, null, null, 0, "no number of bars fits the spacing", null)
            : failure is { } joint ? Stop(joint, bound) : new SizingStop(null, null, null, 0, bound, null);
    }

    // What stops a layout: its piles at the widest pitch, else the thickest cap at the least.
    private SizingStop? StopOf(PileLayout layout)
    {
        SizingStop? stop = null;
        foreach (var turns in Turns(layout))
        {
            foreach (var (pitch, hexagon) in Pitches(layout).SelectMany(p => Outlines(layout).Select(o => (p, o))))
            {
                var plan = Plan(layout, turns, pitch, hexagon);
                if (Thinnest(plan, double.PositiveInfinity) is not null)
                {
                    return null;
                }

                var own = Nearest(plan);
                stop = stop is null || own.Utilisation < stop.Utilisation ? own : stop;
            }
        }

        return stop;
    }

    // What fails of a plan: its piles at the least thickness, else the bars of the thickest cap.
    private SizingStop Nearest(CapDesign plan)
    {
        foreach (var t in (ReadOnlySpan<int>)[0, last - 1])
        {
            var sized = plan with { Size = plan.Size with { Thickness = thicknesses[t] } };
            if (Pedestals(sized, t) is not { } standing)
            {
                return joints.Select(j => j.LastFailure).FirstOrDefault(f => f is not null) is { } joint
                    ? Stop(joint, "[pedestal]")
                    : new SizingStop("pedestal", null, null, 0, "[pedestal]", null);
            }

            planChecks.Forget();
            if (Carried(sized, standing) is not var (carried, passes))
            {
                return new SizingStop(null, null, null, Outcome.NoCapacity,
                    CapFaults.Of(Foundation, With(sized with { PileLength = Lengths().LastOrDefault() }, standing), Project.Units)?.Message
                        ?? "[piles] longest", null);
            }

            if (!passes)
            {
                return Stop(planChecks.Failure!.Value, Bound(carried));
            }
        }

        return Lacking($"{Bound(plan)}, thickness up to {Dimension.Section(thicknesses[last - 1], Project.Units)} and the bars of [steel]");
    }

    private string Bound(CapDesign plan) =>
        (plan.Own.IsEmpty ? $"layout {plan.Layout} at {Dimension.Section(plan.Pitch, Project.Units)}" : "the places of piles.at")
        + (lengthIsSought && plan.PileLength is { } length ? $", piles {Dimension.Plan(length, Project.Units)} long" : "");

    // Of all layouts that which comes nearest, with what more would do.
    private SizingStop Stopped()
    {
        var all = Layouts().SelectMany(g => g).ToList();
        if (all.Count == 0)
        {
            return new SizingStop(null, null, null, 0, Piles.Count is { } n
                ? $"no layout of [piles] layouts has {n} piles; write one there, for example \"1 x {n}\""
                : "every layout of [piles] layouts is a single row; give piles.tie-beams or piles.head = \"fixed\", or a layout "
                    + "of more rows", null);
        }

        SizingStop? best = null;
        foreach (var layout in all)
        {
            var stop = StopOf(layout);
            best = stop is not null && (best is null || (ByPiles(stop), stop.Utilisation).CompareTo((ByPiles(best), best.Utilisation)) < 0)
                ? stop
                : best;
        }

        // Where enough piles do, what stops their cap is what matters.
        static bool ByPiles(SizingStop stop) => stop.Check == "pile-compression";

        return best switch
        {
            null => new SizingStop(null, null, null, 0, "[piles] layouts", null),
            { Check: "pile-compression" } => best with { Bound = $"{best.Bound}; {More(best.Utilisation)}" },
            _ => best,
        };
    }

    private string More(double utilisation)
    {
        var most = Layouts().Max(g => g.Key);
        var each = Piles.Compression is { } held
            ? $"{Unit.Force.FormatWithSymbol(held * utilisation, Project.Units)} a pile"
            : "longer piles ([piles] longest)";
        return string.Create(System.Globalization.CultureInfo.InvariantCulture,
            $"about {Math.Ceiling(most * utilisation):0} piles, or {each} would do")
            + (own is null ? ": add layouts to [piles] layouts" : "");
    }

    private static SizingStop Stop((Check Check, Trial State) failure, string bound)
    {
        var worst = failure.Check.Worst(failure.State);
        return new SizingStop(failure.Check.Id, failure.State.Place.Place.Name,
            worst is { Combination: >= 0 } w ? failure.State.Combinations[w.Combination].Name : null, worst?.Outcome.Utilisation ?? 0,
            bound, worst?.Note);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<Alternative> Alternatives()
    {
        if (Prepare() is not null)
        {
            return [];
        }

        // A layout each, at the pitch and thickness of least concrete.
        var found = new List<Alternative>();
        foreach (var layout in Layouts().SelectMany(g => g))
        {
            if (Least([layout]) is { } design)
            {
                found.Add(new Alternative(design, Quantities.Of(Project, Foundation, design), Cost(design), []));
            }
        }

        var named = Alternative.Best(found);
        return [.. found.Select(f => named.FirstOrDefault(n => ReferenceEquals(n.Design, f.Design)) ?? f)];
    }
}
