using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Piles;
using Plinth.Core.Units;

namespace Plinth.Core.Schedules;

/// <summary>The schedule of piles for setting out.</summary>
public static class PileSchedule
{
    /// <summary>Its name as a sheet of a workbook and a table to ask for.</summary>
    public const string Name = "Piles";

    // Places are told to the millimetre, in feet to the hundredth of an inch.
    private const int MetricDecimals = 3;
    private const int FeetDecimals = 4;

    /// <summary>A row a pile; null where no design has piles.</summary>
    /// <param name="project">The project.</param>
    /// <param name="designs">The designs in force.</param>
    public static DataTable? Of(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        var piled = designs.Where(d => !d.Foundation.Kind.BearsOnGround).ToList();
        if (piled.Count == 0)
        {
            return null;
        }

        var units = project.Units;
        var us = units == UnitSystem.Us;
        TableColumn Place(string title) => new(title, Unit.Length.Symbol(units), us ? FeetDecimals : MetricDecimals, 11);
        TableColumn Level(string title) =>
            new(title, Unit.Length.Symbol(units), us ? 2 : MetricDecimals, 10) { Form = us ? ColumnForm.Feet : ColumnForm.Decimals };
        TableColumn Load(string title) => new(title, Unit.Force.Symbol(units), 1, 9);
        TableColumn Text(string title, int width) => new(title, "", null, width);
        List<TableColumn> columns =
        [
            Text("pile", 10), Place("easting"), Place("northing"), Level("cut-off"), Level("toe"), Text("pile type", 16), Text("bars", 10),
            Text("ties", 14),
            Load("greatest load"), Text("under", 14), Load("least load"), Text("under (least)", 14), Load("lateral"),
        ];
        var rows = new List<IReadOnlyList<object?>>();
        foreach (var (f, design) in piled)
        {
            var checker = new Checker(project, f);
            foreach (var (p, forces) in checker.Check(design).Piles)
            {
                object? Kilonewtons(double? value) => value is { } v ? ScheduleTables.In(Unit.Force, v, units) : null;
                static string Bars(BarSpec? bars) => bars is { Size: not null } ? bars.Drawn : "\u2014";
                rows.Add(
                [
                    p.Mark, ScheduleTables.In(Unit.Length, p.At.X, units), ScheduleTables.In(Unit.Length, p.At.Y, units),
                    ScheduleTables.In(Unit.Length, p.CutOff, units),
                    p.Toe is { } toe ? ScheduleTables.In(Unit.Length, toe, units) : null, PileWords.Of(p.Rules, units), Bars(p.Rules.Bars),
                    Bars(p.Rules.Ties),
                    Kilonewtons(forces?.Most), forces?.MostCombination, Kilonewtons(forces?.Least), forces?.LeastCombination,
                    Kilonewtons(forces?.Lateral),
                ]);
            }

            checker.Release();
        }

        var metres =
            piled.Sum(d => d.Foundation.Places.Sum(p => d.Foundation.Kind.PilesAt(d.Foundation, p, d.Design).Sum(q => q.Length ?? 0)));
        return new DataTable(Name, "Pile schedule", columns, rows, null,
        [
            "Easting and northing: x and y of the project. Cut-off: level of the pile's head, within the cap. Loads: compression positive, "
                + (piled.Any(d => d.Foundation.Rules.Piles.OfStrength)
                    ? "of the combinations in which the piles are checked"
                    : "service combinations")
                + ", out of place in the direction that is worst for the pile.",
            .. metres > 0
                ? (string[])[$"{rows.Count} piles, {Unit.Length.FormatWithSymbol(metres, units)} in all."]
                : [$"{rows.Count} piles; their length is not stated ([piles] length)."],
        ]);
    }
}
