using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <summary>A base at an edge and an inner one, held together by a beam that bears nowhere.</summary>
public sealed class StrapKind : FoundationKind
{
    private static readonly CheckList List = StrapChecks.Make();

    /// <inheritdoc/>
    public override string Id => "strap";

    /// <inheritdoc/>
    public override string Title => "strap footing";

    /// <inheritdoc/>
    public override string MarkLetters => "SF";

    /// <inheritdoc/>
    public override bool UnderSeveral => true;

    /// <inheritdoc/>
    public override bool Carries(int columns) => columns == 2;

    /// <inheritdoc/>
    public override string Carried => "exactly two supports, the edge column first";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Tables => StrapFields.Parts;

    /// <inheritdoc/>
    public override string EdgeOf => StrapFields.Parts[0];

    /// <inheritdoc/>
    public override string BarsOf => StrapFields.Parts[2];

    /// <inheritdoc/>
    public override IReadOnlyList<string> NeverChecked { get; } = ["beam-torsion"];

    /// <inheritdoc/>
    public override CheckList Checks(ConcreteCode code) => List;

    /// <inheritdoc/>
    public override IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports) => StrapFields.Make(supports);

    /// <inheritdoc/>
    public override FoundationDesign Blank(IReadOnlyList<string> supports) =>
        new StrapDesign(StrapBase.Blank, StrapBase.Blank, BeamDesign.Blank,
            [.. supports.Select(s => new CarriedColumn(s, new Upright(null, BarSpec.None)))]);

    /// <inheritdoc/>
    public override FoundationDesign? AllHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var (held, place) = (foundation.Held, foundation.Places[0]);
        var uprights = place.Supports.Select((_, i) => HeldUpright.Of(foundation, i)).ToList();
        if (uprights.Exists(u => u is null))
        {
            return null;
        }

        var supports = place.Supports.Select(s => s.Label).ToList();
        var design = Blank(supports);
        foreach (var field in Fields(supports).Where(f => f.Path[0] != "at"))
        {
            if (field.Held(foundation, design) is { } stated)
            {
                design = field.Put(design, stated.Value);
            }
            else if (field.Required)
            {
                return null;
            }
        }

        for (var i = 0; i < uprights.Count; i++)
        {
            design = ((StrapDesign)design).With(i, uprights[i]!.Value);
        }

        return design;
    }

    /// <inheritdoc/>
    public override PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return new PlanPoint(-StrapPlace.Of(foundation.Held, place, (StrapDesign)design).Centroid((StrapDesign)design), 0);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<PlanPoint> Outline(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var d = (StrapDesign)design;
        var plan = StrapPlace.Of(foundation.Held, place, d);
        var centroid = plan.Centroid(d);
        return ConvexPolygon.Hull([.. plan.Corners(0, d).Concat(plan.Corners(1, d)).Select(c => c with { X = c.X - centroid })]);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<IReadOnlyList<PlanPoint>> Parts(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var d = (StrapDesign)design;
        var plan = StrapPlace.Of(foundation.Held, place, d);
        var centroid = plan.Centroid(d);
        return [.. Enumerable.Range(0, 3).Select(i => plan.Corners(i, d).Select(c => c with { X = c.X - centroid }).ToList())];
    }

    /// <inheritdoc/>
    public override (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units) =>
        StrapFaults.Of(foundation, (StrapDesign)design, units);

    /// <inheritdoc/>
    public override string? FaultOfBars(string key, BarSpec bars)
    {
        ArgumentNullException.ThrowIfNull(bars);
        return StrapFaults.OfBars(key, bars);
    }

    /// <inheritdoc/>
    public override string? FaultOfHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return StrapFaults.OfHeld(foundation);
    }

    /// <inheritdoc/>
    public override bool OuterIsX(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return foundation.Rules.Steel.LowerLayer == LowerLayer.X;
    }

    /// <inheritdoc/>
    public override IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design) =>
        StrapBars.Of(foundation, (StrapDesign)design);

    /// <inheritdoc/>
    public override IReadOnlyList<BarGroup> OtherBars(Project project, Foundation foundation, FoundationDesign design) =>
        StrapBars.OfBeam(project, foundation, (StrapDesign)design);

    /// <inheritdoc/>
    public override BaseQuantities Quantities(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var d = (StrapDesign)design;
        var (plan, beam) = (StrapPlace.Of(foundation.Held, foundation.Places[0], d), d.Beam);
        var (concrete, forms) = (beam.Width * beam.Depth * plan.Clear, ((2 * beam.Depth) + beam.Width) * plan.Clear);
        for (var i = 0; i < 2; i++)
        {
            var own = d.Base(i);
            var (over, proud) = ((i == 0 ? plan.EdgeTo : plan.BeamTo) - (i == 0 ? plan.EdgeFrom : plan.InnerFrom),
                Math.Max(0, beam.Gap + beam.Depth - own.Thickness));
            concrete += (own.Length * own.Width * own.Thickness) + (beam.Width * proud * over);
            forms += (2 * (own.Length + own.Width) * own.Thickness) + (2 * proud * over);
        }

        // Between the bases the trench reaches down to the bases' underside: the beam is clear of the ground.
        return new BaseQuantities(concrete, forms, d.Area + (beam.Width * plan.Clear), d.Area, BaseQuantities.With(d));
    }

    /// <inheritdoc/>
    public override string ScheduleName => StrapSchedule.Name;

    /// <inheritdoc/>
    public override DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows) => StrapSchedule.Of(project, rows);

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) => new StrapTrial(project, foundation, place);

    /// <inheritdoc/>
    public override IEnumerable<string> Notes(Trial trial) => base.Notes(trial).Concat(StrapNotes.Of((StrapTrial)trial));

    /// <inheritdoc/>
    public override string? DoubtfullyRigid(Trial trial) => StrapNotes.Doubt((StrapTrial)trial);

    /// <inheritdoc/>
    public override IEnumerable<Proposal> Propose(ProposalCase asked) => StrapProposals.Of(this, asked);

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) => new StrapSizer(project, foundation);
}
