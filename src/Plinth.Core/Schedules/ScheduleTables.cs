using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Units;

namespace Plinth.Core.Schedules;

/// <summary>What changed since the issue before.</summary>
/// <param name="Revision">The issue.</param>
/// <param name="Changed">Marks that changed.</param>
public sealed record ScheduleRevision(string Revision, IReadOnlySet<string> Changed)
{
    /// <summary>What fails of each mark that is issued all the same; empty: all pass.</summary>
    public IReadOnlyDictionary<string, string> Fails { get; init; } = new Dictionary<string, string>();
}

/// <summary>The schedules of a project as tables: footings, bars, quantities.</summary>
public static class ScheduleTables
{
    /// <summary>Name of the table of bars.</summary>
    public const string BarsName = "Bars";

    private const string BendNote =
        "Dimensions are outside to outside of the bar. Cutting length: along the centre line; a bend of 90° takes (2 − π/2)·r + (2 − "
            + "π/4)·d off the sum of outside dimensions.";

    /// <summary>All schedules of designs in force.</summary>
    /// <param name="project">The project.</param>
    /// <param name="designs">The designs.</param>
    /// <param name="revision">What changed, for a column that says so; null: no such column.</param>
    public static IReadOnlyList<DataTable> Of(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs,
        ScheduleRevision? revision = null)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        IReadOnlyList<DataTable> members = [.. Members(project, FootingSchedule.Of(project, designs)),
            Bars(project, BarSchedule.Of(project, designs))];
        if (PileSchedule.Of(project, designs) is { } piles)
        {
            members = [.. members.SkipLast(1), piles, members[^1]];
        }

        if (revision is { Fails.Count: > 0 })
        {
            members = [.. members.Select(t => Failing(t, revision))];
        }

        if (revision is { Changed.Count: > 0 })
        {
            members = [.. members.Select(t => Marked(t, revision))];
        }

        return [.. members, Totals(project, designs)];
    }

    /// <summary>A table a kind of foundation that there is; without any foundation the usual kind's, empty.</summary>
    /// <param name="project">The project.</param>
    /// <param name="schedule">The schedule.</param>
    public static IReadOnlyList<DataTable> Members(Project project, FootingSchedule schedule)
    {
        ArgumentNullException.ThrowIfNull(schedule);
        return [.. FoundationKinds.All.Select(k => (Kind: k, Rows: schedule.Rows.Where(r => r.Foundation.Kind == k).ToList()))
            .Where(k => k.Rows.Count > 0 || (k.Kind == FoundationKinds.Usual && schedule.Rows.Count == 0))
            .Select(k => k.Kind.Schedule(project, k.Rows))];
    }

    // What fails, behind each row of the mark.
    private static DataTable Failing(DataTable table, ScheduleRevision revision) => table with
    {
        Columns = [.. table.Columns, new TableColumn("FAILS", "", null, 28)],
        Rows = [.. table.Rows.Select(r => (IReadOnlyList<object?>)[.. r, revision.Fails.GetValueOrDefault(MarkOf(r), "")])],
        Total = table.Total is { } total ? [.. total, null] : null,
    };

    // A pile's row is of its cap's mark: "PC7/3".
    private static string MarkOf(IReadOnlyList<object?> row) => ((string)row[0]!).Split('/', '@')[0];

    // The revision in the first column of each row whose mark, now in the second, changed.
    private static DataTable Marked(DataTable table, ScheduleRevision revision) => table with
    {
        Columns = [new TableColumn("rev", "", null, 5), .. table.Columns],
        Rows = [.. table.Rows.Select(r => (IReadOnlyList<object?>)[revision.Changed.Contains(MarkOf(r)) ? revision.Revision : "", .. r])],
        Total = table.Total is { } total ? [null, .. total] : null,
    };

    /// <summary>A pedestal or socket in words: "450 × 450 mm".</summary>
    public static string Words(Pedestal p, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(p);
        string S(double v) => Dimension.Section(v, units);
        return (p.Round ? "diameter " + S(p.SizeX) : $"{Dimension.PlainSection(p.SizeX, units)} × {S(p.SizeY)}")
            + (p.Socket is { } s ? $", socket {S(s.Depth)} deep, walls {S(s.Wall)}" : "");
    }

    // 350 mm is 350, not what division leaves of it.
    internal static double In(Unit unit, double value, UnitSystem units) => Math.Round(unit.In(value, units), 9);

    /// <summary>How shapes and dimensions of bars are to be read, in few words.</summary>
    public static string ShapeWords(UnitSystem units) => units == UnitSystem.Us
        ? "Typical bends of ACI 315, dimensions outside to outside: 2 hooks A, G of 90°, B between; T1 closed tie, hooks A, G; T3 hoop, O "
            + "outside, lap B; T9 cross-tie, A 135°, G 90°."
        : "Shape codes of ISO 3766; dimensions outside to outside of the bar.";

    /// <summary>The bar schedule as a table.</summary>
    /// <param name="project">The project.</param>
    /// <param name="schedule">The bars.</param>
    public static DataTable Bars(Project project, BarSchedule schedule)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(schedule);
        var units = project.Units;
        var (section, mass) = (Unit.Section, Unit.Mass);
        var us = units == UnitSystem.Us;
        TableColumn Section(string title) =>
            new(title, section.Symbol(units), us ? 2 : 0, 8) { Form = us ? ColumnForm.Bar : ColumnForm.Decimals };
        string[] letters = us ? [.. default(TypicalBend).Dimensions.Select(d => d.Letter)] : ["a", "b", "c", "r"];
        List<TableColumn> columns =
        [
            new("member", "", null, 8), new("bar mark", "", null, 7), new("use", "", null, 22), new("size", "", null, 6),
            new("members", "", 0, 8), new("in each", "", 0, 7), new("total", "", 0, 7),
            Section("length"), new(us ? "bend" : "shape", "", null, 6), .. letters.Select(Section), new("mass", mass.Symbol(units), 1, 9),
        ];
        object? Size(double v) => v > 0 ? In(section, v, units) : null;
        IEnumerable<object?> Bent(BarGroup g) => us
            ? [TypicalBend.Of(g).Type, .. TypicalBend.Of(g).Dimensions.Select(d => Size(d.Value))]
            : [g.Shape.Code, Size(g.Shape.A), Size(g.Shape.B), Size(g.Shape.C), Size(g.Shape.Radius)];
        var rows = schedule.Rows.Select(r => (IReadOnlyList<object?>)
        [
            r.Member, r.BarMark, Use(r.Group), r.Group.Size.Name, r.Members, r.Group.Count, r.Total,
            In(section, r.Group.Shape.Length, units), .. Bent(r.Group), In(mass, r.Mass, units),
        ]).ToList();
        object?[] total = [.. Enumerable.Repeat<object?>(null, columns.Count)];
        (total[0], total[^1]) = ("total", In(mass, schedule.Mass, units));
        return new DataTable(BarsName, "Bar schedule", columns, rows, total,
        [
            us
                ? ShapeWords(units) + " Bends on the standard diameters of ACI 318 25.3."
                : "Shape codes of ISO 3766: 00 straight, 11 one bend, 21 two bends to one side, 51 closed, 99 hoop of outside diameter a "
                    + "with a lap b and hooks c, or cross-tie of length a with hooks b (90°) and c (135°). r: inside radius of bends.",
            BendNote
                + (us ? " Bent dimensions and lengths are rounded up to 1/4 in." : " Bent dimensions and lengths are rounded up to 5 mm."),
            .. (IEnumerable<string>)(LongWords(schedule.Rows, units) is { } words ? [words] : []),
        ]);
    }

    /// <summary>That bars longer than those that are sold stand whole, so that laps come on top; null: there are none.</summary>
    /// <param name="rows">The bars.</param>
    /// <param name="units">The units.</param>
    public static string? LongWords(IReadOnlyList<BarRow> rows, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(rows);
        var (most, words) = LongestSold(units);
        return rows.Any(r => r.Group.Shape.Length > most + 1e-9)
            ? $"Bars over {words} stand whole: where they are joined, laps come on top of length and mass."
            : null;
    }

    // What mills deliver as a rule, m.
    private static (double Most, string Words) LongestSold(UnitSystem units) =>
        units == UnitSystem.Us ? (60 * 0.3048, "60 ft") : (12, "12 m");

    /// <summary>What a group of bars does, with its layer: "bottom along x (B1)".</summary>
    public static string Use(BarGroup group)
    {
        ArgumentNullException.ThrowIfNull(group);
        return group.Role switch
        {
            BarRole.BottomX => "bottom along x",
            BarRole.BottomY => "bottom along y",
            BarRole.TopX => "top along x",
            BarRole.TopY => "top along y",
            BarRole.Pedestal => "pedestal",
            BarRole.Ties => "ties",
            BarRole.InnerTies => "inner ties",
            BarRole.CrossTiesX => "cross-ties along x",
            BarRole.CrossTiesY => "cross-ties along y",
            BarRole.Sides => "sides",
            BarRole.BeamTop => "top",
            BarRole.BeamBottom => "bottom",
            BarRole.BeamSides => "sides",
            BarRole.Stirrups => "stirrups",
            BarRole.Starters => "starters of the wall",
            BarRole.WallUpright => "wall, upright",
            BarRole.WallLevel => "wall, level",
            BarRole.PileBars => "piles",
            BarRole.PileTies => "ties of piles",
            _ => "dowels",
        } + (group.Where.Length > 0 ? " " + group.Where : "") + (group.Layer.Length > 0 ? $" ({group.Layer})" : "");
    }

    private static DataTable Totals(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        var units = project.Units;
        var total = FootingSchedule.Of(project, designs).Total;
        var bars = BarSchedule.Of(project, designs);
        var rows = new List<IReadOnlyList<object?>>();
        void Add(string item, double value, Unit unit, string note) => rows.Add([item, In(unit, value, units), unit.Symbol(units), note]);
        var walls = bars.Rows.Any(r => r.Group.Role is BarRole.WallUpright);
        var standing = walls ? "pedestals, sockets and walls" : "pedestals and sockets";
        Add("concrete", total.Concrete, Unit.Volume, "footings, " + standing);
        Add(Wording.Blinding(units), total.Blinding, Unit.Volume, "under the bases and beyond them by [concrete] blinding-beyond");
        foreach (var size in bars.Sizes)
        {
            Add("steel " + size.Size.Name, size.Mass, Unit.Mass, Unit.Length.FormatWithSymbol(size.Length, units) + " by cutting lengths");
        }

        Add("steel, all", bars.Mass, Unit.Mass,
            "no waste, no chairs" + (LongWords(bars.Rows, units) is not null ? $", no laps of bars over {LongestSold(units).Words}" : "")
                + (bars.Rows.Any(r => r.Group.Role is BarRole.PileBars) ? "; with the bars of piles" : ""));
        foreach (var g in designs.Where(d => !d.Foundation.Kind.BearsOnGround)
            .SelectMany(d => d.Foundation.Places.SelectMany(p => d.Foundation.Kind.PilesAt(d.Foundation, p, d.Design)))
            .GroupBy(p => Piles.PileWords.Of(p.Rules, units)))
        {
            var stated = g.Where(p => p.Length is not null).ToList();
            rows.Add([$"piles {g.Key}", (double)g.Count(), "no.",
                stated.Count == g.Count() ? "below their caps" : "their length is not stated"]);
            if (stated.Count == g.Count())
            {
                Add($"piles {g.Key}, metres", stated.Sum(p => p.Length!.Value), Unit.Length, "from cut-off to toe");
            }
        }

        Add("excavation", total.Excavation, Unit.Volume,
            $"plan of the bases to the underside of the {Wording.Blinding(units)}; no working space, no slopes");
        Add("formwork", total.Formwork, Unit.Area, "sides of bases, " + standing);
        if (project.Carbon is { Any: true } carbon)
        {
            rows.Add(["embodied carbon", carbon.Of(total), "kg CO2e",
                "by the factors stated: "
                    + string.Join(", ",
                        new[] { Factor("concrete", carbon.Concrete, "m3"), Factor(Wording.Blinding(units), carbon.Blinding, "m3"),
                            Factor("steel", carbon.Steel, "kg") }.Where(f => f.Length > 0))]);
        }

        return new DataTable("Quantities", "Quantities",
            [new("item", "", null, 20), new("quantity", "", 2, 12), new("unit", "", null, 9), new("of", "", null, 62)], rows, null,
            ["Net quantities of what is scheduled."]);
    }

    private static string Factor(string name, double? value, string per) =>
        value is { } v ? string.Create(CultureInfo.InvariantCulture, $"{name} {v:0.###} kg/{per}") : "";
}
