using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Tests;
using Plinth.Core.Units;
using Plinth.Drawing.Drawings;
using Plinth.Drawing.Sheets;

namespace Plinth.Output.Tests;

/// <summary>Buildings to be drawn.</summary>
internal static class Buildings
{
    /// <summary>Columns on a grid with footings of their own, one off its column, one turned, and a site.</summary>
    public static (Project Project, List<(Foundation, FoundationDesign)> Designs) Grid(UnitSystem units = UnitSystem.Metric,
        string name = "Test", string label = "C")
    {
        double[] xs = [0, 6, 13.5];
        double[] ys = [0, 5.4];
        var supports =
            ys.SelectMany(
                (y, j) =>
                    xs.Select((x, i) => Given.Column(0.4, 0.5) with
                    {
                        Label = $"{label}{(j * 3) + i + 1}",
                        X = x,
                        Y = y,
                        Grid = $"{(char)('A' + i)}/{j + 1}"
                    })).ToList();
        var foundations =
            supports.Select((s, i) => new Foundation($"F{i + 1}", [new Place(s, i == 4 ? 30 : 0, Given.DefaultGround)], false,
                i == 2 ? new HeldValues { OffsetX = 0.35 } : HeldValues.Nothing, Given.Rules)).ToList();
        var project = Given.OneAction(new SupportAction(500, 0, 0, 0, 0, 0)) with
        {
            Title = new ProjectTitle(name, "12", "", "", "", "", ""),
            Units = units,
            Supports = supports,
            Actions = supports.ToDictionary(s => s.Label, _ => new SupportAction[] { new(500, 0, 0, 0, 0, 0) }),
            Foundations = foundations,
            Site = new Site([new(-2, -2), new(15.5, -2), new(15.5, 7.4), new(-2, 7.4)],
                [new KeepOut("sewer", [new(8, 1.5), new(11, 1.5), new(11, 3.5), new(8, 3.5)])]),
        };
        return (project, [.. foundations.Select((f, i) => (f, Given.Design(1.8 + (0.1 * i), 1.6 + (0.05 * i), 0.45)))]);
    }

    public static Sheet Plan(UnitSystem units = UnitSystem.Metric, string name = "Test", string label = "C", string? paper = null,
        double? scale = null)
    {
        var (project, designs) = Grid(units, name, label);
        return FoundationPlan.Of(project, designs,
            new DrawingRequest("Foundation plan", Paper: paper is null ? null : Paper.Find(paper), Scale: scale))!;
    }
}
