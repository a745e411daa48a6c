using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.CombinedTests;

namespace Plinth.Core.Tests;

/// <summary>
/// The free body of a base under several columns: it closes whatever lies beside them and rises with it, along and across.
/// </summary>
public class CombinedFreeBodyTests
{
    // With what hangs on the outline of a rising base, and what lies on it beside its columns.
    private static (Project Project, CombinedDesign Design) Loaded(Case c, double mirror = 1, double line = 20, double point = -15)
    {
        var (project, design) = Make(c, mirror);
        var f = project.Foundations[0];
        var rules = f.Rules with { Ground = f.Rules.Ground with { FoundingDepth = 2.2, UpliftSpread = 25, WaterDepth = 1.9 } };
        PlanLoad[] beside = [new(0, PlanLoadShape.WholeBase, 12, 0, 0, 0, 0),
            new(0, PlanLoadShape.Line, line, -0.4, mirror * 0.1, 0.6, mirror * 0.5),
            new(0, PlanLoadShape.Point, point, 0.3, mirror * -0.2, 0.3, mirror * -0.2)];
        return (project with
        {
            Foundations = [f with { Rules = rules, Loads = beside,
            Places = [f.Places[0] with { Ground = rules.Ground }] }]
        }, design);
    }

    // Pulled by more than lies on it, by less than it weighs.
    private static Case Lifted(Case c) =>
        c with
        {
            Loads = [
            .. c.Loads.Select(l => l with { N = -60 - (Math.Abs(l.N) / 15), Mx = l.Mx / 4, My = l.My / 4, Fx = l.Fx / 4,
                Fy = l.Fy / 4 })]
        };

    [Fact]
    public void The_free_body_closes_with_loads_beside_and_soil_that_rises()
    {
        var risen = 0;
        Gen.Select(Cases, Gen.Bool).Sample(
            (c, lifts) => Closes(c, lifts, ref risen),
            iter: 300);
        risen.Should().BeGreaterThan(30, "of about 150 that are pulled most lift such soil");
    }

    [Fact]
    public void All_forces_that_are_told_of_the_body_close_and_stand_where_the_columns_do() => Gen.Select(Cases, Gen.Bool).Sample(
        (c, lifts) =>
        {
            var (project, design) = Loaded(lifts ? Lifted(c) : c);
            var t = Trial(project, design);
            if (t.Along(0) is not { } d)
            {
                return;
            }

            var (balance, scale) = (t.Body.Balance(0), Math.Abs(t.Body.Loads(0).N) + 1000);
            d.Body.Sum(f => f.Force).Should().BeApproximately(0, 1e-9 * scale);
            d.Body.Sum(f => f.Moment).Should().BeApproximately(0, 1e-8 * scale * c.L);
            double Of(params BodyForceKind[] kinds) => d.Body.Where(f => kinds.Contains(f.Kind)).Sum(f => f.Force);
            Of(BodyForceKind.Ground).Should().BeApproximately(-balance.Ground, 1e-9 * scale);
            Of(BodyForceKind.Column).Should().BeApproximately(balance.Columns, 1e-9 * scale);
            Of(BodyForceKind.Water).Should().BeApproximately(-balance.Water, 1e-9 * scale);

            // A column that carries nothing is not told.
            var acting = t.Columns.ToArray().Where(at => at.Action(0).N != 0 || at.My(0) != 0)
                .Select(at => (at.Support.Label, at.Action(0).N, at.X));
            d.Body.Where(f => f.Kind == BodyForceKind.Column).Select(f => (f.Words, f.Force, f.At)).Should().Equal(acting);

            // What the ground pushes on each metre is all of it, and lies where it is said to.
            var ground = d.Body.Where(f => f.Kind == BodyForceKind.Ground).ToList();
            var (push, first) = (0.0, 0.0);
            foreach (var (a, b) in d.Points.Zip(d.Points.Skip(1)))
            {
                push += (b.At - a.At) * (a.Push + b.Push) / 2;
                first += (b.At - a.At) * ((a.At * a.Push) + (b.At * b.Push)) / 2;
            }

            push.Should().BeApproximately(-ground.Sum(f => f.Force), 2e-3 * scale);
            first.Should().BeApproximately(-ground.Sum(f => f.Moment), 4e-3 * scale * c.L);
        },
        iter: 200);

    private static void Closes(Case c, bool lifts, ref int risen)
    {
        var (project, design) = Loaded(lifts ? Lifted(c) : c);
        var t = Trial(project, design);
        var l = t.Body.Loads(0);
        if (t.Body.Contact(0).State == ContactState.NoEquilibrium)
        {
            return;
        }

        if (t.Body.RisingWeight(0) > 0)
        {
            Interlocked.Increment(ref risen);
        }

        (t.Body.RisingWeight(0) > 0).Should().Be(t.Place.Sums[0].N + t.Place.LoadForce(0) + (12 * t.Body.Area) < 0);
        var scale = l.N + 1000;
        var (end, start) = (t.Long.Section(0, t.Body.HighX), t.Long.Section(0, t.Body.LowX - 1e-12));
        end.Shear.Should().BeApproximately(0, 1e-9 * scale);
        end.Moment.Should().BeApproximately(0, 1e-8 * scale * c.L);

        // Bit by bit: M is the sum of V, with what hangs on the end from the start.
        var (x0, x1) = (t.Body.LowX, t.Long.Columns[0].X - 0.2);
        var sum = 0.0;
        const int strips = 2000;
        for (var i = 0; i < strips; i++)
        {
            sum += t.Long.Section(0, x0 + ((x1 - x0) * (i + 0.5) / strips)).Shear * (x1 - x0) / strips;
        }

        t.Long.Section(0, x1).Moment.Should().BeApproximately(sum, 1e-3 * scale);
        start.Moment.Should().BeApproximately(0, 1e-6 * scale);

        // Across, each strip is in balance: past its far edge are all of its columns.
        foreach (var strip in t.TributarySpans.ToArray().OfType<CrossSpan>())
        {
            var f = strip.Beyond(0, 1, strip.Overhang(1) - strip.Length);
            if (t.Body.RisingWeight(0) > 0 || f.Lost)
            {
                continue;
            }

            var (n, m) = (0.0, 0.0);
            foreach (var column in t.Columns.ToArray().Where(k => strip.At!.Split('+').Contains(k.At)))
            {
                var own = column.Action(0).N + column.PrismWeight(0);
                (n, m) = (n + own, m + (own * (column.Y + (strip.Length / 2))) - column.Mx(0));
            }

            (f.UpShear - f.DownShear).Should().BeApproximately(n, 1e-9 * scale);
            (f.UpMoment - f.DownMoment).Should().BeApproximately(m, 1e-8 * scale * strip.Length);
        }
    }

    [Fact]
    public void Mirrored_with_loads_beside_it_is_used_alike() => Gen.Select(Cases, Gen.Bool).Sample(
        (c, lifts) =>
        {
            c = lifts ? Lifted(c) : c;
            AreUsedAlike(Loaded(c), Loaded(c, -1));
        },
        iter: 100);

    [Fact]
    public void Sections_across_are_those_along_a_base_that_is_turned() => Cases.Sample(
        c =>
        {
            // Turned by a quarter: x' = y, y' = −x. Both are given in the project's axes.
            var (a, b) = (Placed(c, (x, y) => (x, y), false), Placed(c, (x, y) => (y, -x), true));
            if (a.Body.Contact(0).State == ContactState.NoEquilibrium || a.Across is not { } across)
            {
                return;
            }

            var along = b.Long;
            var scale = a.Body.Loads(0).N;
            for (var i = 0; i <= 20; i++)
            {
                var at = across.Low + ((across.High - across.Low) * i / 20);
                var (one, other) = (across.Section(0, at), along.Section(0, at));
                one.Shear.Should().BeApproximately(other.Shear, 1e-8 * scale);
                one.Moment.Should().BeApproximately(other.Moment, 1e-8 * scale * c.L);
            }

            across.Section(0, across.High).Shear.Should().BeApproximately(0, 1e-8 * scale);
            across.Section(0, across.High).Moment.Should().BeApproximately(0, 1e-8 * scale * c.L);
            var (p, q) = (across.Sections(0).ToArray().Select(s => s.Moment).Order().ToArray(),
                along.Sections(0).ToArray().Select(s => s.Moment).Order().ToArray());
            p.Should().HaveSameCount(q);
            p.Zip(q).Should().AllSatisfy(z => z.First.Should().BeApproximately(z.Second, 1e-6 * scale * c.L));
        },
        iter: 150);

    // A rectangle, its columns given in the project's axes, turned with them.
    private static CombinedTrial Placed(Case c, Func<double, double, (double X, double Y)> turn, bool quarter)
    {
        var (project, design) = Make(c);
        var f = project.Foundations[0];
        var (ox, oy) = turn(c.Ox, c.Oy);
        var supports =
            f.Places[0].Supports.Select(s => turn(s.X, s.Y) is var (x, y) && quarter
                ? s with { X = x, Y = y, SizeX = s.SizeY, SizeY = s.SizeX }
                : s).ToArray();
        var actions = project.Actions.ToDictionary(p => p.Key,
            p => p.Value.Select(a => quarter ? a with { Fx = a.Fy, Fy = -a.Fx, Mx = a.My, My = -a.Mx } : a).ToArray());
        var size = quarter ? new BaseSize(c.Low, c.L, 0.7) : new BaseSize(c.L, c.Low, 0.7);
        PlanLoad[] beside = [new(0, PlanLoadShape.WholeBase, 12, 0, 0, 0, 0)];
        return Trial(
            project with
            {
                Supports = supports,
                Actions = actions,
                Foundations = [f with { Loads = beside, Places = [new Place(supports, 0, f.Rules.Ground)] }]
            },
            design with { Size = size, HighWidth = size.Width, Offset = new PlanPoint(ox, oy) });
    }

    [Fact]
    public void No_section_is_stretched_more_than_those_that_are_looked_at_whatever_lies_beside() =>
        Gen.Select(Cases, Gen.Bool, Gen.Bool, Gen.Double[20, 300], Gen.Double[-300, 300]).Sample(
        (c, along, beside, line, point) =>
        {
            var (project, design) = beside ? Loaded(c, 1, line, point) : Make(c);
            var t = Trial(project, design);
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium || (along ? t.Long : t.Across) is not { } span)
            {
                return;
            }

            var (most, least) = (0.0, 0.0);
            foreach (var s in span.Sections(0))
            {
                (most, least) = (Math.Max(most, s.Moment), Math.Min(least, s.Moment));
            }

            var slack = 1e-6 * t.Body.Loads(0).N * c.L;
            for (var i = 1; i < 500; i++)
            {
                var at = span.Low + ((span.High - span.Low) * i / 500);
                if (!t.Columns.ToArray().Any(k => at > span.Face(k, -1) && at < span.Face(k, 1)))
                {
                    span.Section(0, at).Moment.Should().BeInRange(least - slack, most + slack);
                }
            }
        },
        iter: 400);

    [Fact]
    public void A_column_off_the_line_bends_the_whole_length_across()
    {
        // 6.0 × 2.6 × 0.7, weightless; 500 each at ∓2 m, y −0.4, and 1000 between, y +0.4: even pressure 128.21 kPa, 769.23 kN/m along y.
        // Between the faces at y = −0.2 and +0.2
        // the shear at the inner faces is 769.23·1.1 − 1000 = −153.8 and nil in the middle: M there 769.23·1.3²/2 − 1000·0.4 = 250.0; at
        // the inner faces 769.23·1.1²/2 − 1000·0.2 = 265.4; at the outer faces 0.7·0.7·769.23/2 = 188.5.
        var project = Project(Weightless, (-2, -0.4, 0.4, 0.4, new(500, 0, 0, 0, 0, 0)), (0, 0.4, 0.4, 0.4, new(1000, 0, 0, 0, 0, 0)),
            (2, -0.4, 0.4, 0.4, new(500, 0, 0, 0, 0, 0)));
        var t = Trial(project, Design(6.0, 2.6, 2.6, 0.7, new PlanPoint(0, -0.4), 3));
        t.Body.Contact(0).Pressure.Peak.Should().BeApproximately(2000 / 15.6, 1e-9);
        t.Across!.Section(0, -0.6).Moment.Should().BeApproximately(188.46, 0.01);
        t.Across.Section(0, -0.2).Shear.Should().BeApproximately(-153.85, 0.01);
        t.Across.Sections(0).ToArray().Single(s => Math.Abs(s.Shear) < 1e-6).Moment.Should().BeApproximately(250.0, 0.01);

        // The checks ask it: for M at the inner faces, and for V at d from the outer faces; between the columns the section is in the
        // middle, where V is nil.
        var none = default(NoTrace);
        t.AcrossSpans.ToArray().Should().Contain(t.Across);
        CrossFlexure<BottomFace>.Evaluate(t.Across, default, 0, ref none).Demand.Should().BeApproximately(265.38, 0.01);
        var d = t.Across.Depth(true);
        d.Should().BeInRange(0.4, 0.65);
        CrossShear.Evaluate(t.Across, default, 0, ref none).Demand.Should().BeApproximately(2000 / 2.6 * (0.7 - d), 0.01);
        Trial(Project(Weightless, (-2, 0, 0.4, 0.4, new(500, 0, 0, 0, 0, 0)), (2, 0, 0.4, 0.4, new(500, 0, 0, 0, 0, 0))),
            Design(6.0, 2.6, 2.6, 0.7, default, 2)).Across.Should().BeNull();
    }
}
