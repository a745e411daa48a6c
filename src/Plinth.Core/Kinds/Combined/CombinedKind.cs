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

namespace Plinth.Core.Kinds.Combined;

/// <summary>One rectangular or trapezoidal base under several columns.</summary>
public class CombinedKind : FoundationKind
{
    private static readonly ListsOfCodes Lists = new(CombinedChecks.Make);

    /// <inheritdoc/>
    public override string Id => "combined";

    /// <inheritdoc/>
    public override string Title => "combined footing";

    /// <inheritdoc/>
    public override string MarkLetters => "CF";

    /// <inheritdoc/>
    public override bool UnderSeveral => true;

    /// <inheritdoc/>
    public override string? FaultOfBars(string key, BarSpec bars)
    {
        ArgumentNullException.ThrowIfNull(bars);
        return CombinedFaults.OfBars(key, bars);
    }

    /// <inheritdoc/>
    public override string? FaultOfHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return (foundation.Held.Springs || OnSprings) && foundation.Places.Any(p => p.Ground.SubgradeModulus is null)
            ? (OnSprings ? $"a {Title} stands on ground springs and" : "soil = \"springs\"")
                + " needs the modulus of the ground; write [ground] subgrade-modulus, for example \"20 MN/m3\""
            : OnSprings ? Core.Ground.GroundAlong.Fault(foundation)
            : null;
    }

    /// <inheritdoc/>
    public override CheckList Checks(ConcreteCode code) => Lists.Of(code);

    /// <inheritdoc/>
    public override bool Knows(ConcreteCode code) => true;

    /// <inheritdoc/>
    public override IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports) => CombinedFields.Make(supports);

    /// <inheritdoc/>
    public override FoundationDesign Blank(IReadOnlyList<string> supports) =>
        new CombinedDesign(default, 0, default, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None,
            [.. supports.Select(s => new ColumnDesign(s, BarSpec.None, new Upright(null, BarSpec.None)))]);

    /// <inheritdoc/>
    public override FoundationDesign? AllHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var (held, place) = (foundation.Held, foundation.Places[0]);
        var uprights = place.Supports.Select((_, i) => HeldUpright.Of(foundation, i)).ToList();
        if (held is not { Thickness: { } thickness, BottomX: { } bottom } || uprights.Exists(u => u is null)
            || CombinedFields.HeldRest(held) is not { } rest)
        {
            return null;
        }

        var plan = new CombinedPlace(place, i => uprights[i]!.Value.Pedestal);
        if (plan.HeldLength(held) is not { } length || plan.HeldWidth(held) is not { } width
            || plan.HeldOffset(held, length, width, held.EndWidth ?? width) is not ({ } x, { } y))
        {
            return null;
        }

        var bands = place.Supports.Select(s => CombinedFields.HeldBand(held, s.Label)).ToList();
        return CombinedPlace.Groups(place, i => uprights[i]!.Value.Pedestal).Any(g => bands[g[0]] is null) ? null
            : (CombinedDesign)Fitted(foundation, Blank([.. place.Supports.Select(s => s.Label)])) with
            {
                Size = new BaseSize(length, width, thickness),
                HighWidth = held.EndWidth ?? width,
                Offset = new PlanPoint(x, y),
                BottomX = bottom,
                TopX = held.TopX ?? BarSpec.None,
                TopY = held.TopY ?? BarSpec.None,
                Rest = rest,
                At = [.. place.Supports.Select((s, i) => new ColumnDesign(s.Label, bands[i] ?? BarSpec.None, uprights[i]!.Value))],
            };
    }

    /// <inheritdoc/>
    public override PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design) => ((CombinedDesign)design).Offset;

    /// <inheritdoc/>
    public override (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units) =>
        CombinedFaults.Of(foundation, (CombinedDesign)design, units);

    /// <inheritdoc/>
    public override IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var checker = new Checker(project, foundation with { Places = [foundation.Places[0]] });
        checker.Set(design);
        var mats = CombinedMats.Of((CombinedTrial)checker.Trials[0], (CombinedDesign)design);
        checker.Release();
        return mats;
    }

    /// <inheritdoc/>
    public override string ScheduleName => CombinedSchedule.Name;

    /// <inheritdoc/>
    public override DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows) => CombinedSchedule.Of(project, rows);

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) =>
        new CombinedTrial(project, foundation, place);

    /// <inheritdoc/>
    public override IEnumerable<string> Notes(Trial trial) => base.Notes(trial).Concat(CombinedNotes.Of((CombinedTrial)trial));

    /// <inheritdoc/>
    public override string? DoubtfullyRigid(Trial trial) => Rigidity.Doubt(trial);

    /// <inheritdoc/>
    public override IEnumerable<Proposal> Propose(ProposalCase asked) => CombinedProposals.Of(this, asked);

    /// <inheritdoc/>
    public override TypesOfKind? Types { get; } = new CombinedTypes();

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) => new CombinedSizer(project, foundation);
}
