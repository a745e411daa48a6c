using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Checks.OnGround;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Loads;
using Plinth.Core.Units;

namespace Plinth.Core.Checks;

/// <summary>All checks of the isolated footing in the order of results, and those whose place is kept.</summary>
public static class CheckCatalog
{
    private static readonly Check[] List = Build();

    /// <summary>The checks that are done.</summary>
    public static ReadOnlySpan<Check> All => List;

    /// <summary>The same as a list.</summary>
    public static IReadOnlyList<Check> Listed => List;

    /// <summary>Ids of checks that are known but not done yet: every result lists them.</summary>
    public static IReadOnlyList<string> NotChecked { get; } =
    [
        "flotation", "settlement", "punching-steel", "anchorage-x", "anchorage-y", "column-bearing", "interface", "interface-shear", "pedestal", "pedestal-shear",
        "anchor-rods", "base-plate",
    ];

    /// <summary>The check with an id, or null.</summary>
    public static Check? Find(string id) => Array.Find(List, c => string.Equals(c.Id, id, StringComparison.Ordinal));

    private static Check[] Build()
    {
        static string? None(ConcreteCode code)
        {
            _ = code;
            return null;
        }

        Check[] list =
        [
            new Check<Equilibrium, Nothing> { Id = "equilibrium", Name = "equilibrium", About = "the resultant lies within the base: its relative eccentricity is below 1", For = Family.Ground | Family.Stability | Family.Concrete, Unit = Unit.Ratio, Clause = None, OfPlan = true },
            new Check<Bearing, Nothing> { Id = "bearing", Name = "bearing", About = "pressure on the ground against the bearing value", For = Family.Ground, Unit = Unit.Pressure, Clause = None, OfPlan = true },
            new Check<ContactShare, Nothing> { Id = "contact", Name = "contact", About = "share of the base in contact against the least share; while the whole base bears, the share of the kern used", For = Family.Ground, Unit = Unit.Ratio, Clause = None, OfPlan = true },
            new Check<Uplift, Nothing> { Id = "uplift", Name = "uplift", About = "upward loads, case by case, against permanent loads and weights", For = Family.Stability, Unit = Unit.Force, Clause = None, OfPlan = true },
            new Check<Sliding, Nothing> { Id = "sliding", Name = "sliding", About = "horizontal load against friction, adhesion and passive pressure", For = Family.Stability, Unit = Unit.Force, Clause = None, OfPlan = true },
            new Check<Overturning<AxisX>, Nothing> { Id = "overturning-x", Name = "tipping along x", About = "moments about the edges across x, case by case", For = Family.Stability, Unit = Unit.Moment, Clause = None, OfPlan = true },
            new Check<Overturning<AxisY>, Nothing> { Id = "overturning-y", Name = "tipping along y", About = "moments about the edges across y, case by case", For = Family.Stability, Unit = Unit.Moment, Clause = None, OfPlan = true },
            new Check<OneWayShear<AxisX>, OneWayStrength> { Id = "one-way-shear-x", Name = "shear across x", About = "shear over the whole width, upward at d from the face, downward at the face", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.OneWayShearClause, OfPlan = false },
            new Check<OneWayShear<AxisY>, OneWayStrength> { Id = "one-way-shear-y", Name = "shear across y", About = "the same along y", For = Family.Concrete, Unit = Unit.Force, Clause = c => c.OneWayShearClause, OfPlan = false },
            new Check<TwoWayShear, Nothing> { Id = "two-way-shear", Name = "two-way shear", About = "stress at d/2 round the column with unbalanced moments both ways, closed and open sections", For = Family.Concrete, Unit = Unit.Stress, Clause = c => c.TwoWayShearClause, OfPlan = false },
            new Check<Flexure<AxisX, BottomFace>, FlexuralStrength> { Id = "flexure-bottom-x", Name = "bottom flexure x", About = "moment at the column's face against the bottom bars along x", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<Flexure<AxisY, BottomFace>, FlexuralStrength> { Id = "flexure-bottom-y", Name = "bottom flexure y", About = "the same along y", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<Flexure<AxisX, TopFace>, FlexuralStrength> { Id = "flexure-top-x", Name = "top flexure x", About = "moment at the column's face where weights exceed the pressure, against the top bars along x", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<Flexure<AxisY, TopFace>, FlexuralStrength> { Id = "flexure-top-y", Name = "top flexure y", About = "the same along y", For = Family.Concrete, Unit = Unit.Moment, Clause = c => c.FlexureClause, OfPlan = false },
            new Check<MinimumSteel<AxisX>, Nothing> { Id = "minimum-steel-x", Name = "minimum steel x", About = "least steel of each face that has bars along x", For = Family.None, Unit = Unit.SteelArea, Clause = c => c.MinimumSteelClause, OfPlan = false },
            new Check<MinimumSteel<AxisY>, Nothing> { Id = "minimum-steel-y", Name = "minimum steel y", About = "the same along y", For = Family.None, Unit = Unit.SteelArea, Clause = c => c.MinimumSteelClause, OfPlan = false },
            new Check<BarSpacing<AxisX>, Nothing> { Id = "bar-spacing-x", Name = "bar spacing x", About = "greatest and least distances of the bars along x", For = Family.None, Unit = Unit.Section, Clause = c => c.SpacingClause, OfPlan = false },
            new Check<BarSpacing<AxisY>, Nothing> { Id = "bar-spacing-y", Name = "bar spacing y", About = "the same along y", For = Family.None, Unit = Unit.Section, Clause = c => c.SpacingClause, OfPlan = false },
            new Check<LeastDepth, Nothing> { Id = "least-depth", Name = "least depth", About = "effective depth of the shallower bottom layer", For = Family.None, Unit = Unit.Section, Clause = c => c.LeastDepthClause, OfPlan = false },
        ];
        for (var i = 0; i < list.Length; i++)
        {
            list[i].Index = i;
        }

        return list;
    }
}
