using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.CombinedTests;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Bases under several columns that bend on ground springs, through their trials: known results, free bodies, limits.</summary>
public class SpringBaseTests
{
    private static Project OnSprings(Project project, double modulus, double stiffness = 1, bool springs = true)
    {
        var f = project.Foundations[0];
        var ground = f.Rules.Ground with { SubgradeModulus = modulus };
        return project with
        {
            Foundations =
            [
                f with
                {
                    Held = f.Held with { Springs = springs, Stiffness = stiffness },
                    Rules = f.Rules with { Ground = ground },
                    Places = [.. f.Places.Select(p => p with { Ground = ground })],
                },
            ]
        };
    }

    [Fact]
    public void Two_columns_on_a_base_of_known_stiffness()
    {
        // EcI 250 MNm², 6 × 1.5 m, k 20 MN/m³; 800 (0.4) at ±2.4: Hetényi's finite beam by superposition.
        var bare = Project(Weightless, (0, 0, 0.4, 0.4, new(800, 0, 0, 0, 0, 0)), (4.8, 0, 0.4, 0.4, new(800, 0, 0, 0, 0, 0)));
        var gross = bare.Code.Elasticity(bare.Foundations[0].Rules.Concrete.Strength) * 1.5 * 0.6 * 0.6 * 0.6 / 12;
        var t = Trial(OnSprings(bare, 20e3, 250e3 / gross), Design(6, 1.5, 1.5, 0.6, default, 2));
        t.Body.Bed!.Stiffness.Should().BeApproximately(250e3, 1e-6);
        t.Body.PressureAt(0, -3, 0.7).Should().BeApproximately(267.2, 0.05);
        t.Body.PressureAt(0, 0, 0).Should().BeApproximately(122.8, 0.06);
        t.Body.MostPressure(0).Should().BeApproximately(267.2, 0.05);
        t.Body.Bed.Beam(0).Settlement(3).Should().BeApproximately(13.36e-3, 5e-6);
        (double V, double M) At(double x) => t.Long.Section(0, x) is var s ? (s.Shear, s.Moment) : default;
        At(-2.6).Should().Match<(double V, double M)>(s => Math.Abs(s.V - 152.3) < 0.05 && Math.Abs(s.M - 31.00) < 0.01);
        At(-2.2).Should().Match<(double V, double M)>(s => Math.Abs(s.V + 511.5) < 0.05 && Math.Abs(s.M + 40.31) < 0.02);
        var peak = t.Long.Sections(0).ToArray().Single(s => Math.Abs(s.Shear) < 1e-6);
        peak.X.Should().BeApproximately(0, 1e-6);
        peak.Moment.Should().BeApproximately(-546.3, 0.1);

        // A rigid one: 177.8 kPa all over, −720.
        var rigid = Trial(OnSprings(bare, 20e3, 1e6), Design(6, 1.5, 1.5, 0.6, default, 2));
        rigid.Body.PressureAt(0, 1, 0.2).Should().BeApproximately(177.8, 0.05);
        rigid.Long.Section(0, 0).Moment.Should().BeApproximately(-720, 0.05);
    }

    private static readonly Gen<(Case Case, double Modulus, double Stiffness)> Random = Gen.Select(Cases, Gen.Double[3.8, 5], Gen.Double[-1, 1],
        (c, k, s) => (c with { High = c.Low }, Math.Pow(10, k), Math.Pow(10, s)));

    private static Project Loaded(Project project)
    {
        PlanLoad[] beside = [new(0, PlanLoadShape.WholeBase, 12, 0, 0, 0, 0), new(0, PlanLoadShape.Line, 20, -0.4, 0.1, 0.6, 0.5),
            new(0, PlanLoadShape.Point, 15, 0.3, -0.2, 0.3, -0.2)];
        return project with { Foundations = [project.Foundations[0] with { Loads = beside }] };
    }

    [Fact]
    public void The_free_body_closes_and_all_forces_are_told() => Random.Sample(
        g =>
        {
            var (project, design) = Make(g.Case);
            var t = Trial(OnSprings(Loaded(project), g.Modulus, g.Stiffness), design);
            var l = t.Body.Loads(0);
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium)
            {
                return;
            }

            var (scale, pushed) = (l.N + 1000, t.Body.Pushed(0));
            pushed.Force.Should().BeApproximately(l.N, 1e-6 * scale);
            pushed.MomentX.Should().BeApproximately(l.N * l.XR, 1e-6 * scale * g.Case.L);
            pushed.MomentY.Should().BeApproximately(l.N * l.YR, 1e-6 * scale * g.Case.L);
            var end = t.Long.Section(0, t.Body.HighX);
            end.Shear.Should().BeApproximately(0, 1e-6 * scale);
            end.Moment.Should().BeApproximately(0, 1e-6 * scale * g.Case.L);
            var d = t.Along(0)!;
            d.Body.Sum(f => f.Force).Should().BeApproximately(0, 1e-6 * scale);
            d.Body.Sum(f => f.Moment).Should().BeApproximately(0, 1e-6 * scale * g.Case.L);

            // What is looked at is the greatest anywhere outside the columns.
            var (low, high) = (0.0, 0.0);
            foreach (var s in t.Long.Sections(0))
            {
                (low, high) = (Math.Min(low, s.Moment), Math.Max(high, s.Moment));
            }

            foreach (var p in d.Points.Where(p => t.Columns.ToArray().All(c => p.At <= c.X - 0.2 || p.At >= c.X + 0.2)))
            {
                p.Moment.Should().BeInRange(low - (1e-6 * scale), high + (1e-6 * scale));
            }

            // By parts it is the whole; no piece of the picture says more than the most.
            var parts = t.Body.PushedWithin(0, t.Body.LowX, t.Body.LowY, 0.1, 0.2).Force
                + t.Body.PushedWithin(0, 0.1, t.Body.LowY, t.Body.HighX, 0.2).Force
                + t.Body.PushedWithin(0, t.Body.LowX, 0.2, t.Body.HighX, t.Body.HighY).Force;
            parts.Should().BeApproximately(l.N, 1e-5 * scale);
            var figure = ContactFigure.Of(t.Body, 0);
            foreach (var (outline, field) in figure.Pieces)
            {
                outline.Max(c => field.At(c.X, c.Y)).Should().BeLessThanOrEqualTo(figure.Most * 1.001, "pieces overlap by a hair");
            }

            figure.Pieces.SelectMany(p => p.Outline.Select(c => p.Field.At(c.X, c.Y))).Max().Should().BeApproximately(figure.Most, 1e-2 * figure.Most);
        },
        iter: 200);

    [Fact]
    public void Mirrored_it_is_used_alike() => Random.Sample(
        g =>
        {
            var ((one, design), (other, mirrored)) = (Make(g.Case), Make(g.Case, -1));
            AreUsedAlike((OnSprings(one, g.Modulus, g.Stiffness), design), (OnSprings(other, g.Modulus, g.Stiffness), mirrored));
        },
        iter: 60);

    [Fact]
    public void As_it_grows_stiff_its_checks_tend_to_those_of_a_rigid_base() => Random.Sample(
        g =>
        {
            var (project, design) = Make(g.Case);
            var rigid = OnSprings(project, g.Modulus, 1, false);
            var t = Trial(rigid, design);
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium || t.Body.Contact(0).Share < 0.4)
            {
                return;
            }

            var (a, b) = (Check(rigid, design), Check(OnSprings(project, g.Modulus, 1e7), design));
            foreach (var (one, other) in a.Checks.Zip(b.Checks).Where(c => c.First.Id is not ("contact" or "settlement")))
            {
                (one.Id, one.At).Should().Be((other.Id, other.At));
                if (one.Utilisation < 50)
                {
                    other.Utilisation.Should().BeApproximately(one.Utilisation, 5e-3 * Math.Max(0.05, one.Utilisation), $"{one.Id} {one.At}");
                }
            }
        },
        iter: 60);

    [Fact]
    public void A_design_found_on_springs_passes_and_no_smaller_step_does() =>
        Gen.Select(Gen.Double[2, 5], Gen.Double[200, 900].Array[2], Gen.Double[4, 4.7]).Sample(
            (span, n, k) =>
            {
                var rules = Rules with
                {
                    Ground = DefaultGround with { FoundingDepth = 1.6 },
                    Sizing = Rules.Sizing with { MostPlan = 4, MostThickness = 1.2, PlanStep = 0.1, ThicknessStep = 0.1 }
                };
                var project = OnSprings(Project(rules, (0, 0, 0.4, 0.4, new(n[0], 8, 5, 10, 12, 0)),
                    (span, 0, 0.5, 0.4, new(n[1], 8, 5, 10, 12, 0))), Math.Pow(10, k));
                var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
                found.Design.Should().NotBeNull(found.Stop?.Check + " " + found.Stop?.Bound);
                Check(project, found.Design!).Passes.Should().BeTrue();
                foreach (var (step, stop) in FoundationSizer.Of(project, project.Foundations[0]).Why(found.Design!))
                {
                    stop.Should().NotBeNull($"{step} of {found.Design}");
                }
            },
            iter: 12);
}
