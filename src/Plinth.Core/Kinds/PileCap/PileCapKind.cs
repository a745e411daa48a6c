using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// A cap on vertical piles, under one column or several: a rectangle, on three piles also a triangle with its corners cut.
/// </summary>
public sealed class PileCapKind : FoundationKind
{
    private static readonly CheckList List = CapChecks.Make();

    /// <inheritdoc/>
    public override string? Bears(Foundation foundation) => "rigid caps, whose piles share the loads by where they stand";

    /// <inheritdoc/>
    public override string Id => "pile-cap";

    /// <inheritdoc/>
    public override string Title => "pile cap";

    /// <inheritdoc/>
    public override string Noun => "pile cap";

    /// <inheritdoc/>
    public override string MarkLetters => "PC";

    /// <inheritdoc/>
    public override bool Carries(int columns) => columns >= 1;

    /// <inheritdoc/>
    /// <remarks>ACI 318 14.1.5: no cap on piles is of plain concrete.</remarks>
    public override bool MayBePlain => false;

    /// <inheritdoc/>
    public override bool CarriesTorsion => true;

    /// <inheritdoc/>
    public override bool BearsOnGround => false;

    /// <inheritdoc/>
    public override IReadOnlyList<string> NeverChecked { get; } = ["pile-anchorage", "tie-beams", "group-settlement", "group-block",
        "group-uplift", "downdrag", "raked-piles"];

    /// <inheritdoc/>
    public override CheckList Checks(ConcreteCode code) => List;

    /// <inheritdoc/>
    public override IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports) => CapFields.Make(supports);

    /// <inheritdoc/>
    public override FoundationDesign Blank(IReadOnlyList<string> supports) =>
        new CapDesign(default, "", 0, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None,
            [.. supports.Select(s => new CapColumn(s, new Upright(null, BarSpec.None)))]);

    /// <inheritdoc/>
    public override FoundationDesign? AllHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var (held, place, piles) = (foundation.Held, foundation.Places[0], foundation.Rules.Piles);
        var uprights = place.Supports.Select((_, i) => HeldUpright.Of(foundation, i)).ToList();
        var edge = CapFields.HeldToEdge(held);
        if (held is not { Thickness: { } thickness, BottomX: { } x, BottomY: { } y }
            || (edge is null && (held.Length is null || held.Width is null)) || uprights.Exists(u => u is null)
            || (piles.Length is null && foundation.Places.Any(p => piles.IsFoundFrom(p.Ground))))
        {
            return null;
        }

        var (layout, pitch) = (CapFields.HeldLayout(held), CapFields.HeldPitch(held));
        if (piles.At.Count == 0
            && (layout is null || pitch is null || (place.Supports.Count > 1 && !(held.OffsetXGiven && held.OffsetYGiven))))
        {
            return null;
        }

        var design = new CapDesign(new BaseSize(held.Length ?? 0, held.Width ?? 0, thickness), layout ?? "", pitch ?? 0, x, y,
            held.TopX ?? BarSpec.None, held.TopY ?? BarSpec.None,
            [.. place.Supports.Select((s, i) => new CapColumn(s.Label, uprights[i]!.Value))])
        {
            ToEdge = edge,
            Turns = CapFields.HeldTurns(held) ?? 0,
            Offset = new PlanPoint(held.OffsetX, held.OffsetY),
            PileLength = piles.Length,
            PileBars = piles.Bars ?? BarSpec.None,
            PileTies = piles.Ties ?? BarSpec.None,
            Sides = CapFields.HeldSides(held) ?? BarSpec.None,
        };
        return piles.At.Count > 0 ? design.Standing(piles.At) : design.Shaped();
    }

    /// <inheritdoc/>
    public override PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(place);
        return place.Lie.Of(((CapDesign)design).FromCentroid);
    }

    /// <inheritdoc/>
    public override (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units) =>
        CapFaults.Of(foundation, (CapDesign)design, units);

    /// <inheritdoc/>
    public override IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var side = foundation.Rules.Concrete.CoverSide;
        var bars = ((CapDesign)design).Bars(side);
        if (((CapDesign)design).ToEdge is not null)
        {
            return [.. OfPolygon(BarRole.BottomX, bars.BottomX, true), .. OfPolygon(BarRole.BottomY, bars.BottomY, false),
                .. OfPolygon(BarRole.TopX, bars.TopX, true), .. OfPolygon(BarRole.TopY, bars.TopY, false)];
        }

        var (alongX, alongY) = (design.Size.Length - (2 * side), design.Size.Width - (2 * side));
        return
        [
            new(BarRole.BottomX, bars.BottomX, alongX), new(BarRole.BottomY, bars.BottomY, alongY),
            new(BarRole.TopX, bars.TopX, alongX), new(BarRole.TopY, bars.TopY, alongY),
        ];

        IEnumerable<MatBars> OfPolygon(BarRole role, BarLayer layer, bool along)
        {
            var d = (CapDesign)design;
            PlanPoint[] outline = [.. d.Outline];
            return !layer.Any
                ? []
                : CapMat.At(layer, d.MatReach(along), side)
                    .Select(at => BarPositions.Cut(outline, along, at, layer.Size!, side))
                    .GroupBy(l => l)
                    .OrderByDescending(g => g.Key)
                .Select(g => new MatBars(role, layer with { Count = g.Count() }, g.Key));
        }
    }

    /// <inheritdoc/>
    public override InteractionFigure? Shaft(Trial trial) =>
        trial is CapTrial { Shaft: { } shaft } cap && PileBending.Acting(cap).ToList() is { Count: > 0 } acting
            ? InteractionFigure.Of(cap.Code, shaft.Section, acting)
            : null;

    /// <inheritdoc/>
    public override StrutFigure? Struts(Trial trial, int combination) => StrutAndTieFigure.Of((CapTrial)trial, combination);

    /// <inheritdoc/>
    public override IReadOnlyList<BarGroup> OtherBars(Project project, Foundation foundation, FoundationDesign design) =>
        CapBars.Sides(project, foundation, (CapDesign)design);

    /// <inheritdoc/>
    public override IReadOnlyList<BarGroup> PileBars(Project project, Foundation foundation, FoundationDesign design) =>
        CapBars.OfPiles(project, foundation, (CapDesign)design);

    /// <inheritdoc/>
    public override string ScheduleName => CapSchedule.Name;

    /// <inheritdoc/>
    public override DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows) => CapSchedule.Of(project, rows);

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) => new CapTrial(project, foundation, place);

    /// <inheritdoc/>
    public override IReadOnlyList<PlacedPile> PilesAt(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        ArgumentNullException.ThrowIfNull(design);
        var (d, rules) = ((CapDesign)design, foundation.Rules.Piles);
        PlanPoint[] own = [.. d.Piles.Select(p => place.Lie.Of(new PlanPoint(p.X + d.PilesAt.X, p.Y + d.PilesAt.Y)))];
        var at = BaseGeometry.Corners(place, BaseGeometry.Centre(foundation, place, design), own);
        var head = place.Ground.Underside(d.Size.Thickness) + rules.Embedment;
        var mark = foundation.Places.Count > 1 ? $"{foundation.Mark}@{place.Name}" : foundation.Mark;
        return [
            .. own.Select((p, i) => new PlacedPile(string.Create(CultureInfo.InvariantCulture, $"{mark}/{i + 1}"), i + 1, at[i], p, rules,
                place.AngleDegrees, head, d.PileLength ?? rules.Length))];
    }

    /// <inheritdoc/>
    public override IReadOnlyList<PileForces> PileForces(Trial trial) => CapPiles.Forces((CapTrial)trial);

    /// <inheritdoc/>
    public override IReadOnlyList<(double Force, double Spread)> PileForces(Trial trial, int combination)
    {
        var t = (CapTrial)trial;
        return [.. Enumerable.Range(0, t.Piles.Length).Select(i => (t.Group.Force(combination, i), t.Group.Spread(combination, i)))];
    }

    /// <inheritdoc/>
    public override IEnumerable<string> Notes(Trial trial) => base.Notes(trial).Concat(CapNotes.Of((CapTrial)trial));

    /// <inheritdoc/>
    public override string? DoubtfullyRigid(Trial trial)
    {
        ArgumentNullException.ThrowIfNull(trial);
        var t = (CapTrial)trial;
        var reach = 0.0;
        foreach (var s in t.CapSpans(true))
        {
            reach = Math.Max(reach, Math.Max(Reach(t, s, 1), Reach(t, s, -1)));
        }

        foreach (var s in t.CapSpans(false))
        {
            reach = Math.Max(reach, Math.Max(Reach(t, s, 1), Reach(t, s, -1)));
        }

        return reach > 4 * trial.Body.Thickness
            ? "piles over 4 thicknesses from the face of the nearest column: a rigid cap is doubtful"
            : null;
    }

    // How far the farthest pile to which a column is nearest stands from its face.
    private static double Reach(CapTrial t, CapSpan s, int side)
    {
        var most = 0.0;
        foreach (var p in t.Piles)
        {
            most = ReferenceEquals(StrutAndTie.Nearest(t, p), s.Column) ? Math.Max(most, side * (p.Along(s.AlongX) - s.Face(side))) : most;
        }

        return most;
    }

    /// <inheritdoc/>
    /// <remarks>Where no base on the ground is found and what a pile may carry is stated.</remarks>
    public override IEnumerable<Proposal> Propose(ProposalCase asked)
    {
        ArgumentNullException.ThrowIfNull(asked);
        return asked is { Cause: ProposalCause.NothingFound, Stands: [var (foundation, place)] } && foundation.Kind.BearsOnGround
            && place.Ground.Piles.KnownIn(place.Ground)
            ? [new Proposal(asked, this, place.Supports, HeldValues.Nothing, null)] : [];
    }

    /// <inheritdoc/>
    public override TypesOfKind? Types { get; } = new CapTypes();

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) => new CapSizer(project, foundation);
}
