using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>A strip with a rib on ground springs under a row of columns: what `kind = "strip"` is where a rib is stated.</summary>
public sealed class RibKind : FoundationKind
{
    private static readonly CheckList List = RibChecks.Make();

    /// <inheritdoc/>
    public override string Id => "strip";

    /// <inheritdoc/>
    public override string? Sign => RibFields.RibKey;

    /// <inheritdoc/>
    public override string Title => "strip footing with a rib";

    /// <inheritdoc/>
    public override string MarkLetters => "ST";

    /// <inheritdoc/>
    public override bool UnderSeveral => true;

    /// <inheritdoc/>
    public override bool Tapers => false;

    /// <inheritdoc/>
    public override bool OnSprings => true;

    /// <inheritdoc/>
    public override bool MayBePlain => false;

    /// <inheritdoc/>
    public override string Carried => "a row of supports";

    /// <inheritdoc/>
    public override IReadOnlyList<string> NeverChecked { get; } = ["beam-torsion"];

    /// <inheritdoc/>
    public override CheckList Checks(ConcreteCode code) => List;

    /// <inheritdoc/>
    public override IReadOnlyList<DesignField> Fields(IReadOnlyList<string> supports) => RibFields.Make(supports);

    /// <inheritdoc/>
    public override FoundationDesign Blank(IReadOnlyList<string> supports) => RibDesign.Blank(supports);

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
        var plan = new CombinedPlace(foundation.Places[0], _ => null);
        return ((RibDesign)design).Spanning(plan.Last.X - plan.First.X);
    }

    /// <inheritdoc/>
    public override FoundationDesign? AllHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var place = foundation.Places[0];
        var uprights = place.Supports.Select((_, i) => HeldUpright.Of(foundation, i)).ToList();
        if (uprights.Exists(u => u is null) || RibFields.HeldRib(foundation.Held).Depth is null)
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
            design = ((RibDesign)design).With(i, uprights[i]!.Value);
        }

        return Fitted(foundation, design);
    }

    /// <inheritdoc/>
    public override PlanPoint Offset(Foundation foundation, Place place, FoundationDesign design) => new(((RibDesign)design).Offset, 0);

    /// <inheritdoc/>
    public override IReadOnlyList<IReadOnlyList<PlanPoint>> Parts(Foundation foundation, Place place, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        var (l, b) = (design.Size.Length / 2, ((RibDesign)design).Rib.Width / 2);
        return [Outline(foundation, place, design), [new(-l, -b), new(l, -b), new(l, b), new(-l, b)]];
    }

    /// <inheritdoc/>
    public override bool OuterIsX(Foundation foundation, FoundationDesign design) => false;

    /// <inheritdoc/>
    public override BaseQuantities Quantities(Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        var (own, rib) = (base.Quantities(foundation, design), ((RibDesign)design).Rib);
        var rise = rib.Depth - design.Size.Thickness;
        return own with
        {
            Concrete = own.Concrete + (design.Size.Length * rib.Width * rise),
            Formwork = own.Formwork + (2 * (design.Size.Length + rib.Width) * rise),
        };
    }

    /// <inheritdoc/>
    public override (string Key, string Message)? FaultOfPlan(Foundation foundation, FoundationDesign design, UnitSystem units) =>
        RibFaults.Of(foundation, (RibDesign)design, units);

    /// <inheritdoc/>
    public override string? FaultOfBars(string key, BarSpec bars)
    {
        ArgumentNullException.ThrowIfNull(bars);
        return RibFaults.OfBars(key, bars);
    }

    /// <inheritdoc/>
    public override string? FaultOfHeld(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return foundation.Places.Any(p => p.Ground.SubgradeModulus is null)
            ? $"a {Title} stands on ground springs and needs the modulus of the ground; write [ground] subgrade-modulus, for example "
                + "\"20 MN/m3\""
            : Core.Ground.GroundAlong.Fault(foundation) ?? RibFaults.OfHeld(foundation);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<MatBars> Mats(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var (d, side) = ((RibDesign)design, foundation.Rules.Concrete.CoverSide);
        var flange = d.Flange.ResolveWithin((d.Size.Width - d.Rib.Width) / 2);
        return
        [
            new(BarRole.BottomX, flange with { Count = 2 * flange.Count }, d.Size.Length - (2 * side), "in the flange"),
            new(BarRole.BottomY, d.BottomY.Resolve(d.Size.Length, side), d.Size.Width - (2 * side), ""),
            new(BarRole.TopY, d.TopY.Resolve(d.Size.Length, side), d.Size.Width - (2 * side), ""),
        ];
    }

    /// <inheritdoc/>
    public override IReadOnlyList<BarGroup> OtherBars(Project project, Foundation foundation, FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        var d = (RibDesign)design;
        return
        [
            .. BeamBarList.Of(project.Code, foundation.Rules.Concrete, d.Rib, -d.Size.Length / 2, d.Size.Length / 2, "of the rib",
                d.BottomY.Size?.Diameter ?? 0, d.Stretches(foundation)),
            .. Extra(BarRole.BeamBottom, d.Rib.Bottom.Hooked), .. Extra(BarRole.BeamTop, d.Rib.Top.Hooked),
        ];

        IEnumerable<BarGroup> Extra(BarRole role, bool hooked) =>
            ExtraCuts.Of(foundation, d.Extra, role == BarRole.BeamBottom, d.Offset, d.Size.Length, hooked)
                .Select(e => new BarGroup(role, e.Layer.Size!, e.Layer.Count,
                    BarList.Shape(project.Code, e.Layer, e.To - e.From, e.Ends), "")
                { Where = e.Where });
    }

    /// <inheritdoc/>
    public override string ScheduleName => RibSchedule.Name;

    /// <inheritdoc/>
    public override DataTable Schedule(Project project, IReadOnlyList<FootingRow> rows) => RibSchedule.Of(project, rows);

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) => new RibTrial(project, foundation, place);

    /// <inheritdoc/>
    public override IEnumerable<string> Notes(Trial trial) => base.Notes(trial).Concat(RibNotes.Of((RibTrial)trial));

    /// <inheritdoc/>
    public override string? DoubtfullyRigid(Trial trial) => null;

    // Cages of rows that cross go through each other: that of the second lies inside the bars of the first, whatever these are.
    /// <inheritdoc/>
    public override Foundation InGrid(Foundation row)
    {
        ArgumentNullException.ThrowIfNull(row);
        var (concrete, inside) = (row.Rules.Concrete, row.Row is { Across: true } ? row.Rules.Steel.Bars.Max(b => b.Diameter) : 0);
        return row with
        {
            Rules = row.Rules with
            {
                Concrete = concrete with { CoverBottom = concrete.CoverBottom + inside, CoverTop = concrete.CoverTop + inside },
            },
        };
    }

    /// <inheritdoc/>
    public override double Deep(FoundationDesign design)
    {
        ArgumentNullException.ThrowIfNull(design);
        return ((RibDesign)design).Rib.Depth;
    }

    /// <inheritdoc/>
    public override Foundation Holding(Foundation row, double deep, FoundationDesign? plan)
    {
        ArgumentNullException.ThrowIfNull(row);
        var held = StripKind.PlanOf(row.Held, plan, plan is null ? default : ((RibDesign)plan).Ends);
        return row with
        {
            Held = held with { Own = held.Own.SetItem(RibFields.RibKey, new FieldValue.Ends(RibFields.HeldRib(held).Breadth, deep)) },
        };
    }

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) =>
        CurtailedSizer.Of(project, foundation, new RibSizer(project, foundation));
}
