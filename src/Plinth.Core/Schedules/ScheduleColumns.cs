using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Schedules;

/// <summary>Columns that the schedules of all kinds of foundation have, and what stands in them.</summary>
/// <param name="units">Units of display.</param>
internal sealed class ScheduleColumns(UnitSystem units)
{
    private const string Nothing = "—";

    private bool IsUs => units == UnitSystem.Us;

    /// <summary>What every schedule begins with.</summary>
    public static IReadOnlyList<TableColumn> Beginning => [Text("mark", 7), Text("supports", 18), new("number off", "", 0, 8)];

    /// <summary>What every schedule ends with.</summary>
    public IReadOnlyList<TableColumn> End => [Number("concrete each", Unit.Volume, 3, 10), Number("steel each", Unit.Mass, 1, 9)];

    /// <summary>Words.</summary>
    public static TableColumn Text(string title, int width) => new(title, "", null, width);

    /// <summary>A quantity.</summary>
    public TableColumn Number(string title, Unit unit, int decimals, int width) => new(title, unit.Symbol(units), decimals, width);

    /// <summary>A length in plan, or a level: in feet and inches where those are used.</summary>
    public TableColumn Plan(string title, int width) =>
        Number(title, Unit.Length, IsUs ? 2 : 3, width) with { Form = IsUs ? ColumnForm.Feet : ColumnForm.Decimals };

    /// <summary>A length in a section.</summary>
    public TableColumn Side(string title, int width) =>
        Number(title, Unit.Section, IsUs ? 1 : 0, width) with { Form = IsUs ? ColumnForm.Inches : ColumnForm.Decimals };

    /// <summary>The first cells of a row.</summary>
    public static IReadOnlyList<object?> BeginningOf(FootingRow row) => [row.Mark, ScheduleCells.Places(row), row.NumberOff];

    /// <summary>The last cells of a row.</summary>
    public IReadOnlyList<object?> EndOf(FootingRow row) => [In(Unit.Volume, row.Each.Concrete), In(Unit.Mass, row.Each.Steel)];

    /// <summary>A quantity as a cell.</summary>
    public double In(Unit unit, double value) => ScheduleTables.In(unit, value, units);

    /// <summary>A length in plan as a cell.</summary>
    public double Plan(double metres) => In(Unit.Length, metres);

    /// <summary>A length in a section as a cell.</summary>
    public double Side(double metres) => In(Unit.Section, metres);

    /// <summary>Bars as a cell.</summary>
    public static string Bars(BarSpec bars) => bars.Size is null ? Nothing : bars.Drawn;

    /// <summary>Dowels of the columns of a base, those that are alike together.</summary>
    /// <param name="design">The base.</param>
    /// <param name="labels">Its columns.</param>
    /// <param name="all">What follows where all have the same.</param>
    public static string Dowels(FoundationDesign design, IReadOnlyList<string> labels, string all = "") =>
        Each(labels, i => design.Under(i).Dowels is { Size: not null } dowels ? dowels.Drawn : "", all);

    /// <summary>Pedestals of the columns of a base with their bars and ties.</summary>
    /// <param name="design">The base.</param>
    /// <param name="labels">Its columns.</param>
    /// <param name="all">What follows where all have the same.</param>
    public string Pedestals(FoundationDesign design, IReadOnlyList<string> labels, string all = "") =>
        Each(labels, i => design.Under(i).Pedestal is { } p ? Words(p) : "", all);

    /// <summary>Extra bars of a face over columns or in bays, the same together.</summary>
    /// <param name="extra">The extra bars.</param>
    /// <param name="bottom">At the bottom over columns, or on top in bays.</param>
    /// <param name="labels">The columns.</param>
    /// <param name="all">What follows where all have the same.</param>
    public string Extra(ExtraLayout extra, bool bottom, IReadOnlyList<string> labels, string all)
    {
        ArgumentNullException.ThrowIfNull(extra);
        ArgumentNullException.ThrowIfNull(labels);
        string[] named = bottom ? [.. labels] : [.. Enumerable.Range(0, labels.Count - 1).Select(i => ExtraLayout.Bay(labels, i))];
        return Each(named, i => extra.Of(bottom)[i] is { Any: true } e
            ? $"{e.Bars.Drawn}, {Reach(e.Low, e.High)}{(bottom ? ToEitherSide : " off either column")}" : "", all);
    }

    /// <summary>Closer stirrups about columns, the same together.</summary>
    /// <param name="zones">The zones.</param>
    /// <param name="labels">The columns.</param>
    /// <param name="all">What follows where all have the same.</param>
    public string Closer(StirrupZones zones, IReadOnlyList<string> labels, string all)
    {
        ArgumentNullException.ThrowIfNull(zones);
        ArgumentNullException.ThrowIfNull(labels);
        return Each(labels, i => zones.At[i] is { Any: true } z ? $"{z.Stirrups.Drawn}, {Reach(z.Low, z.High)}{ToEitherSide}" : "", all);
    }

    private const string ToEitherSide = " to either side";

    private string Reach(double low, double high) => low == high ? Dimension.Plan(low, units)
        : $"{Dimension.PlainPlan(low, units)} and {Dimension.Plan(high, units)}";

    private string Words(Pedestal p) => $"{ScheduleTables.Words(p, units)}, {p.Bars.Drawn}, {p.Ties.Drawn}";

    /// <summary>What belongs to each column of a base, the same together: "9 T16 at each", "C5: 9 T16; C9: 11 T16".</summary>
    /// <param name="labels">The columns.</param>
    /// <param name="words">What belongs to one, by its number; empty: nothing.</param>
    /// <param name="all">What follows where all have the same.</param>
    public static string Each(IReadOnlyList<string> labels, Func<int, string> words, string all = "") =>
        string.Join("; ", labels.Select((label, i) => (label, Words: words(i)))
            .Where(a => a.Words.Length > 0)
            .GroupBy(a => a.Words)
            .Select(g => g.Count() == labels.Count && (all.Length == 0 || labels.Count > 1)
                ? g.Key + all
                : $"{string.Join(", ", g.Select(a => a.label))}: {g.Key}")
            .DefaultIfEmpty(Nothing));
}
