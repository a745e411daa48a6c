using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <content>What stops each next smaller step.</content>
internal sealed partial class StrapSizer
{
    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted)
    {
        ArgumentNullException.ThrowIfNull(adopted);
        var d = (StrapDesign)adopted;
        looked.LookAtAll();
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
            else if (Completed(own) is not null)
            {
                list.Add(($"{part}.{key} {show(value)}", null));
            }
            else
            {
                failure ??= steel.LastFailure ?? beams.LastFailure;
                list.Add(($"{part}.{key} {show(value)}", Stopped()));
            }
        }

        for (var i = 0; i < 2; i++)
        {
            var (part, own, k) = (StrapFields.Parts[i], d.Base(i), i);
            Step("length", part, own.Length - plan, L, v => d.WithBase(k, own with { Length = v }));
            Step("width", part, own.Width - plan, L, v => d.WithBase(k, own with { Width = v }));
            Step("thickness", part, own.Thickness - thick, S, v => d.WithBase(k, own with { Thickness = v }));
        }

        Step("width", "beam", d.Beam.Width - thick, S, v => d.With(d.Edge, d.Inner, d.Beam with { Width = v }));
        Step("depth", "beam", d.Beam.Depth - thick, S, v => d.With(d.Edge, d.Inner, d.Beam with { Depth = v }));
        return list;
    }
}
