using Plinth.Core.Buildings;
using Plinth.Core.Figures;
using Plinth.Core.Units;
using Spectre.Console;

namespace Plinth.Cli.Output;

/// <summary>Shear and moment along bases under several columns as tables.</summary>
internal static class DiagramTables
{
    /// <summary>The balance of the whole body and every section that is looked at, combination by combination.</summary>
    public static void Write(Screen screen, IReadOnlyList<GoverningDiagram> diagrams, UnitSystem units)
    {
        string Force(double v) => Unit.Force.Format(v, units);
        var (force, moment) = (Unit.Force.Symbol(units), Unit.Moment.Symbol(units));
        foreach (var d in diagrams)
        {
            screen.Line();
            var under = d.Combination + (d.Water is null ? "" : ", " + d.Water) + (d.Place is null ? "" : " at " + d.Place);
            screen.Line($"Along x under {under}: governs {string.Join(", ", d.Governs.Select(Wording.Check))}", Styles.Head);
            var b = d.Balance;
            var down = $"ΣN of the columns {Force(b.Columns)}, weights {Force(b.Weights)}"
                + (b.Loads == 0 ? "" : $", loads beside them {Force(b.Loads)}");
            screen.Wrapped(
                $"{down}; the ground holds {Force(b.Ground)}, the water {Force(b.Water)} {force}; difference {Force(b.Difference)}");
            screen.Line();
            var body = Screen.Table("force on the body", $">down {force}", Dimension.Heading(">x", Unit.Length, units), $">own M {moment}",
                $">M about x = 0 {moment}");
            foreach (var f in d.Diagram.Body)
            {
                body.AddRow(Screen.Cell(f.Words), Screen.Cell(Force(f.Force)), Screen.Cell(Dimension.PlainPlan(f.At, units)),
                    Screen.Cell(Unit.Moment.Format(f.Turns, units)), Screen.Cell(Unit.Moment.Format(f.Moment, units)));
            }

            screen.Write(body);
            screen.Line();
            var table = Screen.Table("section", Dimension.Heading(">x", Unit.Length, units), $">V {force}", $">M {moment}", ">strength", "",
                ">util.");
            foreach (var s in d.Diagram.Sections)
            {
                var shear = s.Mark == SpanMark.Shear;
                var used = s.Strength > 0 ? s.Demand / s.Strength : double.NaN;
                table.AddRow(
                    Screen.Cell(s.Words),
                    Screen.Cell(Dimension.PlainPlan(s.At, units)),
                    Screen.Cell(Force(s.Shear)),
                    Screen.Cell(Unit.Moment.Format(s.Moment, units)),
                    Screen.Cell(s.Strength > 0 ? (shear ? Unit.Force : Unit.Moment).Format(s.Strength, units) : "no bars"),
                    Screen.Cell(shear ? force : moment),
                    double.IsNaN(used) ? Screen.Cell("—") : Screen.Cell(Wording.Utilisation(used, used <= 1), Styles.Of(used <= 1)));
            }

            screen.Write(table);
        }

        screen.Line();
        screen.Wrapped("x from the base's centroid; V of all towards −x, upwards positive; M positive where it stretches the bottom.");
    }
}
