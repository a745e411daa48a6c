using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <content>What stops each next smaller step.</content>
internal sealed partial class StrapSizer
{
    /// <inheritdoc/>
    /// <remarks>Of edge bases of every other length with beams of some widths.</remarks>
    public override IReadOnlyList<Alternative> Alternatives()
    {
        const int apart = 2;
        const int widthsLooked = 3;
        var found = new List<Alternative>();
        void Add((StrapDesign Design, double Cost)? made)
        {
            if (made is { } m)
            {
                found.Add(new Alternative(m.Design, Schedules.Quantities.Of(Project, Foundation, m.Design), m.Cost, []));
            }
        }

        if (thicknesses.Length == 0 || Lifts() is not null)
        {
            return [];
        }

        Add(Cheapest());
        looked.LookAtAll();
        var lengths = EdgeLengths();
        foreach (var width in Held(2, "width") is { } held ? (double[])[held] : [.. Widths(BeamWidth(), Wider).Take(widthsLooked)])
        {
            for (var i = 0; i < lengths.Count; i += apart)
            {
                Add(AtLength(lengths[i], width));
            }
        }

        return Alternative.Best(found);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var d = (StrapDesign)adopted;
        looked.LookAtAll();
        var cost = Cost(d);
        var list = new List<(string, SizingStop?)>();
        var (plan, thick) = (rules.PlanStep, rules.ThicknessStep);
        string L(double v) => Dimension.Plan(v, Project.Units);
        string S(double v) => Dimension.Section(v, Project.Units);
        void Step(string key, string part, double to, Func<double, string> show, Func<double, StrapDesign> with)
        {
            var value = Math.Round(to, 6);
            if (StrapFields.Length(Foundation.Held, part, key) is { } held)
            {
                list.Add(($"{part}.{key} {show(held)} is held", null));
                return;
            }

            if (value <= 0)
            {
                return;
            }

            var own = with(value);
            failure = null;
            if (StrapFaults.OfPlan(Foundation, own) is { } fault)
            {
                list.Add(($"{part}.{key} {show(value)}", new SizingStop(null, null, null, 0, fault.Message, null)));
            }
            else if (Completed(own) is { } made)
            {
                list.Add(($"{part}.{key} {show(value)}", made.Cost < cost - 1e-6 ? null
                    : new SizingStop(null, null, null, 0, "it passes, at a greater cost", null)));
            }
            else
            {
                list.Add(($"{part}.{key} {show(value)}", Stopped()));
            }
        }

        for (var i = 0; i < 2; i++)
        {
            var (part, own, k) = (StrapFields.Parts[i], d.Base(i), i);
            if (i == 1 && KeepsSquare && own.Length == own.Width)
            {
                Step("length", "inner", own.Length - plan, v => $"{L(v)}, as wide", v => d.WithBase(k, own with { Length = v, Width = v }));
                Step("thickness", part, own.Thickness - thick, S, v => d.WithBase(k, own with { Thickness = v }));
                continue;
            }

            Step("length", part, own.Length - plan, L, v => d.WithBase(k, own with { Length = v }));
            Step("width", part, own.Width - plan, L, v => d.WithBase(k, own with { Width = v }));
            Step("thickness", part, own.Thickness - thick, S, v => d.WithBase(k, own with { Thickness = v }));
        }

        Step("width", "beam", d.Beam.Width - thick, S, v => d.With(d.Edge, d.Inner, d.Beam with { Width = v }));
        Step("depth", "beam", d.Beam.Depth - thick, S, v => d.With(d.Edge, d.Inner, d.Beam with { Depth = v }));
        return list;
    }
}
