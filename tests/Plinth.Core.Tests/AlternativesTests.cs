using CsCheck;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Designs side by side, of every kind: each passes, each is the best in what it says, none beats what sizing finds.</summary>
public class AlternativesTests
{
    private static readonly string[] Aims = ["least plan", "least thickness", "least steel", "least concrete", "cheapest"];

    private static readonly Gen<(double A, double B, double C)> Numbers = Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[-1, 1]);

    [Theory]
    [InlineData("isolated", 12)]
    [InlineData("combined", 8)]
    [InlineData("trapezoid", 6)]
    [InlineData("strap", 3)]
    [InlineData("strip", 4)]
    [InlineData("rib", 4)]
    [InlineData("cap", 8)]
    [InlineData("wall", 12)]
    [InlineData("retaining", 6)]
    public void Each_passes_and_is_the_best_in_what_it_says(string kind, int iter) => Numbers.Sample(
        n =>
        {
            var project = SomeKinds.Of(kind, n.A, n.B, n.C);
            var f = project.Foundations[0];
            var (sized, stop, _) = FoundationSizer.Of(project, f).Size();
            var all = FoundationSizer.Of(project, f).Alternatives();
            sized.Should().NotBeNull($"the kind can carry these loads, {stop}");
            all.Should().NotBeEmpty();
            all.SelectMany(x => x.BestIn).Should().BeEquivalentTo(Aims, "each aim is reached by one");
            foreach (var one in all)
            {
                Check(project, one.Design).Checks.Where(x => !x.Passes).Should().BeEmpty($"{one.Design}");
                one.Cost.Should().BeApproximately(FoundationSizer.Of(project, f).Cost(one.Design), 1e-6 * one.Cost);
                f.Kind.FaultOfPlan(f, one.Design, Units.UnitSystem.Metric).Should().BeNull("what is listed can be adopted and read");
            }

            Best("least plan", x => x.Design.Area);
            Best("least thickness", x => x.Design.Size.Thickness);
            Best("least steel", x => x.Each.Steel);
            Best("least concrete", x => x.Each.Concrete);
            Best("cheapest", x => x.Cost);

            // Sizing prefers what is alike both ways and easy to build where it costs hardly more, and the fewest piles whatever the cap costs.
            var (cost, piles) = (FoundationSizer.Of(project, f).Cost(sized!), sized!.Piling.Count);
            all.Should().OnlyContain(x => x.Design.Piling.Count >= piles);
            all.Where(x => x.Design.Piling.Count == piles).Min(x => x.Cost).Should().BeInRange(cost * 0.95,
                cost * (kind is "isolated" or "combined" or "trapezoid" or "strip" ? 1.02 : 1 + 1e-9));

            void Best(string aim, Func<Sizing.Alternative, double> by) =>
                by(all.Single(x => x.BestIn.Contains(aim))).Should().BeApproximately(all.Min(by), 1e-6 * all.Min(by), aim);
        },
        iter: iter);
}
