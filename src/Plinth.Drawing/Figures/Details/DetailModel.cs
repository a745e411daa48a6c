using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Schedules;
using Plinth.Core.Units;

namespace Plinth.Drawing.Figures;

/// <summary>A footing as a detail shows it: its base at the first place, and its bars with their marks.</summary>
public sealed class DetailModel
{
    /// <summary>Makes it.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">Its design.</param>
    /// <param name="bars">The whole bar schedule, so that marks are those that are issued.</param>
    public DetailModel(Project project, Foundation foundation, FoundationDesign design, BarSchedule bars)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(design);
        ArgumentNullException.ThrowIfNull(bars);
        (Project, Foundation, Design) = (project, foundation, design);
        var checker = new Checker(project, foundation);
        checker.Set(design);
        State = checker.Trials[0];
        Rows = [.. bars.Rows.Where(r => r.Member == foundation.Mark)];
    }

    /// <summary>The project.</summary>
    public Project Project { get; }

    /// <summary>The foundation.</summary>
    public Foundation Foundation { get; }

    /// <summary>Its design.</summary>
    public FoundationDesign Design { get; }

    /// <summary>The base at its first place.</summary>
    public Trial State { get; }

    /// <summary>Its rows of the bar schedule.</summary>
    public IReadOnlyList<BarRow> Rows { get; }

    /// <summary>Units of display.</summary>
    public UnitSystem Units => Project.Units;

    /// <summary>Where the ties and cross-ties of a column's pedestal stand; null without a pedestal.</summary>
    /// <param name="column">Which, in the order of the supports.</param>
    public PedestalTies? PedestalTies(int column = 0) =>
        Design.Under(column).Pedestal is { } p
            ? Core.Schedules.PedestalTies.Of(Project.Code, Foundation.Rules, State.Columns[column].Support, p,
                State.Columns[column].PedestalHeight)
            : null;

    /// <summary>The row of a role; null where there are no such bars.</summary>
    public BarRow? Row(BarRole role) => Rows.FirstOrDefault(r => r.Group.Role == role);

    /// <summary>The bars that run along an axis in a face.</summary>
    internal static BarRole Role(bool alongX, bool bottom) =>
        bottom ? (alongX ? BarRole.BottomX : BarRole.BottomY) : alongX ? BarRole.TopX : BarRole.TopY;

    /// <summary>How a row is called on a drawing: "13 T16-01 B1".</summary>
    public string Call(BarRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        var g = row.Group;
        var under = Math.Max(0, Array.FindIndex(State.Columns.ToArray(), c => g.Where == "at " + c.Support.Label));
        var spacing = g.Role is BarRole.Ties or BarRole.InnerTies or BarRole.CrossTiesX or BarRole.CrossTiesY
            && Design.Under(under).Pedestal is { Ties.Spacing: > 0 } p ? " @ " + Dimension.Section(p.Ties.Spacing, Units) : "";
        spacing = g.Role switch
        {
            BarRole.Stirrups when State.BeamFigure is { Stretches: { Count: > 1 } stretches } => " @ "
                + string.Join(", ", stretches.Select(z => z.Spacing).Distinct().Order().Select(v => Dimension.Section(v, Units))),
            BarRole.Stirrups when State.BeamFigure is { Stirrups: [var first, var second, ..] } =>
                " @ " + Dimension.Section(second - first, Units),
            BarRole.Sides when Design.SideBars.Spacing > 0 => " @ " + Dimension.Section(Design.SideBars.Spacing, Units),
            BarRole.Starters or BarRole.WallUpright or BarRole.WallLevel => Foundation.Kind.SpacingOf(Design, g) is > 0 and var apart
                ? " @ " + Dimension.Section(apart, Units)
                : "",
            BarRole.PileTies when Foundation.Rules.Piles.Ties is { } ties => " @ " + Dimension.Section(ties.Spacing, Units),
            _ => spacing,
        };
        if (State.Body.IsPolygon && State.Body.Parts.Length == 0
            && Rows.Where(r => r.Group.Role == g.Role && r.Group.Layer == g.Layer && g.Layer.Length > 0).ToList() is { Count: > 1 } all)
        {
            // Bars of a layer that the outline cuts to several lengths are called together.
            return $"{all.Sum(r => r.Group.Count)} {g.Size.Name}-{all[0].BarMark} to {all[^1].BarMark} {g.Layer}";
        }

        return $"{g.Count} {g.Size.Name}-{row.BarMark}{spacing}{(g.Layer.Length > 0 ? " " + g.Layer : "")}";
    }

    /// <summary>
    /// How far apart bars of a banded layer lie, from the first: "T16-02 B2 from −x: 5 × 129, 192, 255, 192, 5 × 129 mm."; empty of others.
    /// </summary>
    public string Banded(bool alongX, bool bottom)
    {
        if (State.Spans(alongX) is not [var span, ..] || span.Layer(bottom).Band == 0 || Row(Role(alongX, bottom)) is not { } row)
        {
            return "";
        }

        var (at, gaps) = (span.Bars(bottom), new List<(int Times, string Plain, string Whole)>());
        for (var i = 1; i < at.Count; i++)
        {
            var (plain, whole) = (Dimension.PlainSection(at[i] - at[i - 1], Units), Dimension.Section(at[i] - at[i - 1], Units));
            if (gaps.Count > 0 && gaps[^1].Plain == plain)
            {
                gaps[^1] = (gaps[^1].Times + 1, plain, whole);
            }
            else
            {
                gaps.Add((1, plain, whole));
            }
        }

        var told = gaps.Select((g, i) => (g.Times > 1 ? $"{g.Times} × " : "") + (i == gaps.Count - 1 ? g.Whole : g.Plain));
        return $"{row.Group.Size.Name}-{row.BarMark} {row.Group.Layer} from −{(alongX ? "y" : "x")}: {string.Join(", ", told)}.";
    }

    /// <summary>Height of a layer's centre over the underside, m.</summary>
    public double Height(bool alongX, bool bottom) =>
        bottom ? State.Body.Thickness - State.Spans(alongX)[0].Depth(true) : State.Spans(alongX)[0].Depth(false);

    /// <summary>Where the bars of a layer lie across the base, m from its centre.</summary>
    public IReadOnlyList<double> Across(bool alongX, bool bottom) =>
        State.Spans(alongX)[0] is var span ? [.. span.Bars(bottom).Select(at => at + (span.From + (span.Breadth / 2)))] : [];

    /// <summary>From where to where a bar of a layer lies along its axis, m from the base's centroid.</summary>
    /// <param name="row">Its row; of a base that is no rectangle bars of a layer have rows by their lengths.</param>
    /// <param name="alongX">Along x, or along y.</param>
    /// <param name="at">Where it lies across, m.</param>
    internal (double From, double To) Extent(BarRow row, bool alongX, double at)
    {
        var half = (row.Group.Shape.Code == "21" ? row.Group.Shape.B : row.Group.Shape.A) / 2;
        if (!State.Body.IsPolygon)
        {
            return (-half, half);
        }

        var (from, to) = State.Body.Chord(!alongX, at);
        half = BarPositions.Cut(State.Body.Outline, alongX, at, row.Group.Size, State.Rules.Concrete.CoverSide) / 2;
        return (((from + to) / 2) - half, ((from + to) / 2) + half);
    }

    /// <summary>Where upright bars stand on either side of the column's centre along an axis, m; 0 without.</summary>
    public double UprightAt(BarRole role, bool alongX, int column = 0)
    {
        var (s, upright) = (State, Design.Under(column));
        var support = s.Columns[column].Support;
        return role switch
        {
            BarRole.Pedestal when upright.Pedestal is { Bars.Size: { } bar } p =>
                ((alongX || p.Round ? p.SizeX : p.SizeY) / 2) - s.Rules.Pedestal.Cover - (p.Ties.Size?.Diameter ?? 0) - (bar.Diameter / 2),
            BarRole.Dowels when upright.Dowels.Size is { } dowel =>
                ((alongX || support.Shape == ColumnShape.Round ? support.SizeX : support.SizeY) / 2) - s.Rules.Column.Cover
                    - s.Code.LeastTie(dowel.Diameter) - (dowel.Diameter / 2),
            _ => 0,
        };
    }

    /// <summary>The centres of upright bars about the column's centre, m.</summary>
    public IReadOnlyList<SectionBar> UprightBars(BarRole role, int column = 0)
    {
        var (support, upright) = (State.Columns[column].Support, Design.Under(column));
        return role == BarRole.Pedestal && upright.Pedestal is { Bars.Size: { } bar } p
            ? ColumnSection.Around(p.SizeX, p.Round ? p.SizeX : p.SizeY, p.Round, new BarLayer(p.Bars.Count, bar),
                (p.SizeX / 2) - UprightAt(role, true, column))
            : role == BarRole.Dowels && upright.Dowels.Size is { } dowel
                ? ColumnSection.Around(support.SizeX, support.Shape == ColumnShape.Round ? support.SizeX : support.SizeY,
                    support.Shape == ColumnShape.Round, new BarLayer(upright.Dowels.Count, dowel),
                    (support.SizeX / 2) - UprightAt(role, true, column))
                : [];
    }

    /// <summary>Height of the centre of the feet of upright bars over the underside: they stand on the bottom mat, m.</summary>
    public double FootHeight(BarRow row)
    {
        ArgumentNullException.ThrowIfNull(row);
        return State.Rules.Concrete.CoverBottom + State.Columns[0].Diameter(true) + State.Columns[0].Diameter(false)
            + (row.Group.Size.Diameter / 2);
    }
}
