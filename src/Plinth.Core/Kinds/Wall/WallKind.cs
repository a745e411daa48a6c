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

namespace Plinth.Core.Kinds.Wall;

/// <summary>A wall on one rectangular base, with the wall itself and the soil behind it where they are stated.</summary>
public sealed class WallKind : FoundationKind
{
    private static readonly CheckList List = WallChecks.Make();
    private static readonly IReadOnlyList<DesignField> AllFields = WallFields.Make();

    /// <inheritdoc/>
    public override string Id => "wall";

    /// <inheritdoc/>
    public override string Title => "wall footing";

    /// <inheritdoc/>
    public override string MarkLetters => "WF";

    /// <inheritdoc/>
    public override bool OfWalls => true;

    /// <inheritdoc/>
    public override string Carried => "one wall";

    /// <inheritdoc/>
    public override IReadOnlyList<string> NeverChecked { get; } = ["wall-in-plane", "wall-slenderness", "global-stability"];

    /// <inheritdoc/>
    public override CheckList Checks(ConcreteCode code) => List;

    /// <inheritdoc/>
    public override IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports) => AllFields;

    /// <inheritdoc/>
    public override FoundationDesign Blank(IReadOnlyList<string> supports) => WallDesign.Blank;

    /// <inheritdoc/>
    public override RuleSet RulesOf(RuleSet rules)
    {
        ArgumentNullException.ThrowIfNull(rules);
        var steel = rules.Steel;
        return rules with
        {
            Steel = steel with { LowerLayer = LowerLayer.Y, SpacingStep = steel.SpacingStep ?? (steel.Bars[0].IsUs ? 0.0254 : 0.025) },
        };
    }

    /// <inheritdoc/>
    public override FoundationDesign Fitted(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return ((WallDesign)design).Under(foundation.Places[0].Support, foundation.Wall);
    }

    /// <inheritdoc/>
    public override FoundationDesign? AllHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var (held, faces) = (foundation.Held, foundation.Wall.Retained is not null && foundation.Held.EdgeY0 is null
            && foundation.Held.EdgeY1 is null);
        if (held is not { Thickness: { } thickness, BottomX: { } x, BottomY: { } y }
            || WallFields.HeldEdge(foundation, faces, true) is not { } first
            || WallFields.HeldEdge(foundation, faces, false) is not { } second)
        {
            return null;
        }

        var stem = StemBars.None;
        if (Stems.Designed(foundation))
        {
            var one = foundation.Wall.Stem!.Layers == 1;
            if (WallFields.Held(held, one ? WallFields.OneLayerKey : WallFields.SoilKey) is not { } soil
                || WallFields.Held(held, WallFields.LevelKey) is not { } level
                || (one ? BarSpec.None : WallFields.Held(held, WallFields.FreeKey)) is not { } free)
            {
                return null;
            }

            stem = new StemBars(soil, free, level);
        }

        return Fitted(foundation, new WallDesign(new BaseSize(0, 0, thickness), new WallEdges(first, second, faces), x, y,
            held.TopX ?? BarSpec.None, held.TopY ?? BarSpec.None)
        { Stem = stem });
    }

    /// <inheritdoc/>
    public override PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        return new PlanPoint(0, -design.Size.ShiftY);
    }

    /// <inheritdoc/>
    public override (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units) =>
        WallFaults.Of(foundation, (WallDesign)design, units);

    /// <inheritdoc/>
    public override string? FaultOfHeld(Foundation foundation) => WallFaults.OfHeld(foundation);

    /// <inheritdoc/>
    public override string? FaultOfBars(string key, BarSpec bars)
    {
        ArgumentNullException.ThrowIfNull(bars);
        return WallFaults.OfBars(key, bars);
    }

    /// <inheritdoc/>
    public override BaseQuantities Quantities(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var own = base.Quantities(foundation, design);
        var wall = foundation.Places[0].Support;
        return foundation.Wall.Stem is { Masonry: false, Height: { } high }
            ? own with
            {
                Concrete = own.Concrete + (wall.SizeX * wall.SizeY * high),
                Formwork = own.Formwork + (2 * (wall.SizeX + wall.SizeY) * high),
            }
            : own;
    }

    /// <inheritdoc/>
    public override IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design) =>
        WallBars.Of(foundation, (WallDesign)design);

    /// <inheritdoc/>
    public override IReadOnlyList<BarGroup> OtherBars(Project project, Foundation foundation, FoundationDesign design) =>
        WallBars.OfWall(project, foundation, (WallDesign)design);

    /// <inheritdoc/>
    public override double SpacingOf(FoundationDesign design, BarGroup group)
    {
        ArgumentNullException.ThrowIfNull(group);
        var stem = ((WallDesign)design).Stem;
        return (group.Role == BarRole.WallLevel ? stem.Level : group.Where == WallBars.OtherFace ? stem.Free : stem.Soil).Spacing;
    }

    /// <inheritdoc/>
    public override string ScheduleName => WallSchedule.Name;

    /// <inheritdoc/>
    public override DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows) => WallSchedule.Of(project, rows);

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) => new WallTrial(project, foundation, place);

    /// <inheritdoc/>
    public override IEnumerable<string> Notes(Trial trial) => base.Notes(trial).Concat(WallNotes.Of((WallTrial)trial));

    /// <inheritdoc/>
    public override string? DoubtfullyRigid(Trial trial) => WallNotes.Doubt((WallTrial)trial);

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) => new WallSizer(project, foundation);
}
