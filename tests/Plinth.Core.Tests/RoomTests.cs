using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Sizing;

namespace Plinth.Core.Tests;

/// <summary>How much the actions may grow, of every kind.</summary>
public class RoomTests
{
    private static readonly Gen<(double A, double B, double C, double Less)> Numbers =
        Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[-1, 1], Gen.Double[0.7, 1.15]);

    public static TheoryData<string> Kinds => [.. SomeKinds.All];

    private static Project Grown(Project project, double by) => project with
    {
        Actions = project.Actions.ToDictionary(a => a.Key, a => a.Value.Select(v => (1 + by) * v).ToArray()),
    };

    [Theory]
    [MemberData(nameof(Kinds))]
    public void It_passes_with_so_much_and_not_with_half_a_percent_more(string kind) => Numbers.Sample(
        n =>
        {
            var sizedFor = SomeKinds.Of(kind, n.A, n.B, n.C);
            if (FoundationSizer.Of(sizedFor, sizedFor.Foundations[0]).Size().Design is not { } design)
            {
                return;
            }

            // Under less, or more, than it was sized for.
            var project = Grown(sizedFor, n.Less - 1);
            var checker = new Checker(project, project.Foundations[0]);
            var now = Given.Check(project, design);
            var room = checker.Room(design, now)!.Value;
            checker.Room(design).Should().Be(room, "whatever is known before");
            (room >= 0).Should().Be(now.Passes);

            // It is told in halves of a percent.
            (room * 200).Should().BeApproximately(Math.Round(room * 200), 1e-9);
            if (room > -1)
            {
                Given.Check(Grown(project, room), design).Passes.Should().BeTrue($"{room} of {kind}");
            }

            if (room < Checker.MostRoom)
            {
                Given.Check(Grown(project, room + 0.005), design).Passes.Should().BeFalse($"{room} of {kind}");
            }
        },
        iter: kind is "trapezoid" or "rib" or "strap" ? 2 : 6);
}
