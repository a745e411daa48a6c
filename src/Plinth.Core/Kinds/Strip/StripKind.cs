using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strip;

/// <summary>A strip on ground springs under a row of columns.</summary>
public sealed class StripKind : CombinedKind
{
    /// <inheritdoc/>
    public override string Id => "strip";

    /// <inheritdoc/>
    public override string Title => "strip footing";

    /// <inheritdoc/>
    public override string MarkLetters => "ST";

    /// <inheritdoc/>
    public override string Carried => "a row of supports";

    /// <inheritdoc/>
    public override bool Tapers => false;

    /// <inheritdoc/>
    public override bool OnSprings => true;

    /// <inheritdoc/>
    public override IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports) => StripFields.Make(supports);

    /// <inheritdoc/>
    public override FoundationDesign Blank(IReadOnlyList<string> supports) => StripDesign.Blank(supports);

    /// <inheritdoc/>
    public override FoundationDesign Fitted(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var plan = new CombinedPlace(foundation.Places[0], _ => null);
        return ((StripDesign)design).Spanning(plan.Last.X - plan.First.X);
    }

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) =>
        new StripTrial(project, foundation, place);

    /// <inheritdoc/>
    public override string ScheduleName => StripSchedule.Name;

    /// <inheritdoc/>
    public override DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows) => StripSchedule.Of(project, rows);

    /// <inheritdoc/>
    public override IEnumerable<Proposal> Propose(ProposalCase asked) => [];

    /// <inheritdoc/>
    public override TypesOfKind? Types => null;
}
