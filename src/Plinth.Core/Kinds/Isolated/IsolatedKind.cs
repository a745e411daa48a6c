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

namespace Plinth.Core.Kinds.Isolated;

/// <summary>One column on one rectangular base.</summary>
public sealed class IsolatedKind : FoundationKind
{
    private static readonly ListsOfCodes Lists = new(IsolatedChecks.Make);
    private static readonly IReadOnlyList<DesignField> AllFields = IsolatedFields.Make();

    /// <inheritdoc/>
    public override string Id => "isolated";

    /// <inheritdoc/>
    public override string Title => "isolated footing";

    /// <inheritdoc/>
    public override string MarkLetters => "F";

    /// <inheritdoc/>
    public override CheckList Checks(ConcreteCode code) => Lists.Of(code);

    /// <inheritdoc/>
    public override bool Knows(ConcreteCode code) => true;

    /// <inheritdoc/>
    public override IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports) => AllFields;

    /// <inheritdoc/>
    public override FoundationDesign Blank(IReadOnlyList<string> supports) =>
        new IsolatedDesign(default, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None);

    /// <inheritdoc/>
    public override FoundationDesign? AllHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var held = foundation.Held;
        if (held is not { Thickness: { } thickness, BottomX: { } x, BottomY: { } y } || HeldUpright.Of(foundation, 0) is not { } upright)
        {
            return null;
        }

        var outline = BaseGeometry.Outline(foundation.Places[0], upright.Pedestal);
        var (length, width) = (held.Length ?? BaseGeometry.HeldSide(held.EdgeX0, held.EdgeX1, outline.FaceX),
            held.Width ?? BaseGeometry.HeldSide(held.EdgeY0, held.EdgeY1, outline.FaceY));
        return length is not { } l || width is not { } w ? null
            : new IsolatedDesign(new BaseSize(l, w, thickness), x, y, held.TopX ?? BarSpec.None,
                held.TopY ?? BarSpec.None)
            { Pedestal = upright.Pedestal, Dowels = upright.Dowels };
    }

    /// <inheritdoc/>
    public override PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        ArgumentNullException.ThrowIfNull(design);
        return place.Lie.Of(BaseGeometry.Offset(foundation.Held, BaseGeometry.Outline(place, design.Under(0).Pedestal), design.Size));
    }

    /// <inheritdoc/>
    public override (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units) =>
        IsolatedFaults.Of(foundation, (IsolatedDesign)design, units);

    /// <inheritdoc/>
    public override IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var side = foundation.Rules.Concrete.CoverSide;
        var bars = ((IsolatedDesign)design).Bars(side);
        var (alongX, alongY) = (design.Size.Length - (2 * side), design.Size.Width - (2 * side));
        return
        [
            new(BarRole.BottomX, bars.BottomX, alongX), new(BarRole.BottomY, bars.BottomY, alongY),
            new(BarRole.TopX, bars.TopX, alongX), new(BarRole.TopY, bars.TopY, alongY),
        ];
    }

    /// <inheritdoc/>
    public override string ScheduleName => IsolatedSchedule.Name;

    /// <inheritdoc/>
    public override DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows) => IsolatedSchedule.Of(project, rows);

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) =>
        new IsolatedTrial(project, foundation, place);

    /// <inheritdoc/>
    public override string? DoubtfullyRigid(Trial trial)
    {
        ArgumentNullException.ThrowIfNull(trial);
        var (body, s) = (trial.Body, trial.Columns[0]);
        var overhang = Math.Max((body.Length / 2) + Math.Abs(s.X) - (s.Outline.X / 2),
            (body.Width / 2) + Math.Abs(s.Y) - (s.Outline.Y / 2));
        return overhang > 4 * body.Thickness ? "overhang over 4 thicknesses: a rigid base is doubtful" : null;
    }

    /// <inheritdoc/>
    public override TypesOfKind? Types { get; } = new IsolatedTypes();

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) => new IsolatedSizer(project, foundation);
}
