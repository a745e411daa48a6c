using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

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

    // The ends of its extra bars are looked at by the clauses of one family alone.
    /// <inheritdoc/>
    public override bool Knows(Concrete.Codes.ConcreteCode code) => code is { Annex: null };

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
    public override (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var d = (StripDesign)design;
        return base.FaultOfPlan(foundation, design, units) ?? ExtraFields.Fault(foundation, d.Extra,
            bottom => (bottom ? d.BottomX : d.TopX).Resolve(d.Size.Width, foundation.Rules.Concrete.CoverSide), units);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design)
    {
        var (d, all) = ((StripDesign)design, base.Mats(project, foundation, design));
        return !d.Extra.Any ? all : [.. all, .. Extra(BarRole.BottomX, d.BottomX.Hooked), .. Extra(BarRole.TopX, d.TopX.Hooked)];

        IEnumerable<MatBars> Extra(BarRole role, bool hooked) =>
            ExtraCuts.Of(foundation, d.Extra, role.IsBottom(), d.Offset.X, d.Size.Length, hooked).Select(e => e.Mat(role));
    }

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) =>
        CurtailedSizer.Of(project, foundation, base.NewSizer(project, foundation));

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

    // Where rows cross, bars along the one lie on those along the other: along the first row outermost, as across it those of the bands.
    /// <inheritdoc/>
    public override Foundation InGrid(Foundation row)
    {
        ArgumentNullException.ThrowIfNull(row);
        var lower = row.Row is { Across: true } ? Concrete.LowerLayer.Y : Concrete.LowerLayer.X;
        return row with { Rules = row.Rules with { Steel = row.Rules.Steel with { LowerLayer = lower } } };
    }

    /// <inheritdoc/>
    public override Foundation Holding(Foundation row, double deep, FoundationDesign? plan)
    {
        ArgumentNullException.ThrowIfNull(row);
        return row with { Held = PlanOf(row.Held, plan, plan is null ? default : ((StripDesign)plan).Ends) with { Thickness = deep } };
    }

    /// <summary>Values that hold the plan of a design too.</summary>
    /// <param name="held">What is held.</param>
    /// <param name="plan">The design; null: its plan is open.</param>
    /// <param name="ends">How far it reaches beyond its first and last column, m.</param>
    internal static HeldValues PlanOf(HeldValues held, FoundationDesign? plan, (double Low, double High) ends) => plan is null ? held
        : held with { Width = plan.Size.Width, EdgeX0 = new HeldEdge(false, ends.Low), EdgeX1 = new HeldEdge(false, ends.High) };
}
