using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Kinds.Strip;
using Plinth.Core.Loads;
using Plinth.Core.Schedules;
using Plinth.Core.Sizing;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Extra bars along strips beside those that run through: where they end, what they hold, what is found.</summary>
public class CurtailmentTests
{
    private static readonly StripKind Strip = new();

    private static ExtraBars Extra(string bars, double low, double high) => new(Bars(bars), low, high);

    private static ExtraLayout Over(int columns, params (int Column, ExtraBars Bars)[] over) =>
        over.Aggregate(ExtraLayout.Without(columns), (e, o) => e.With(true, o.Column, o.Bars));

    // Five columns, no moments; the weights count once.
    private static Project Worked() => StripTests.OnStrip(
        CombinedTests.Project(
            Rules with { Ground = DefaultGround with { FoundingDepth = 1.5 } },
            (0, 0, 0.4, 0.4, new SupportAction(800, 0, 0, 0, 0, 0)),
            (5, 0, 0.5, 0.5, new SupportAction(1800, 0, 0, 0, 0, 0)),
            (10.5, 0, 0.5, 0.5, new SupportAction(1908, 0, 0, 0, 0, 0)),
            (15, 0, 0.4, 0.4, new SupportAction(1440, 0, 0, 0, 0, 0)),
            (19.6, 0, 0.4, 0.4, new SupportAction(712, 0, 0, 0, 0, 0))),
        20e3);

    private static StripDesign Designed(double reach, string through = "5 T25", string extra = "4 T25") =>
        StripDesign.Blank(["C1", "C2", "C3", "C4", "C5"]).Spanning(19.6) with
        {
            Size = new BaseSize(0, 2.3, 0.75),
            HighWidth = 2.3,
            BottomX = Bars(through),
            TopX = Bars("11 T20"),
            TopY = Bars("T20 @ 225 mm"),
            Rest = Bars("T20 @ 225 mm"),
            At = [.. Enumerable.Range(1, 5).Select(i => new ColumnDesign($"C{i}", Bars("5 T20"), new Upright(null, BarSpec.None)))],
            Extra = Over(5, (2, Extra(extra, reach, reach))),
        };

    private static (StripTrial Trial, ExtraZone Zone) Laid(Project project, StripDesign design)
    {
        var t = (StripTrial)new Checker(project, project.Foundations[0]).Trials[0];
        t.Adopt(design.With(0.37, 0.23));
        return (t, t.Extra.Laid[0]);
    }

    private static Finding Found(Trial t) => t.Checks.Find("curtailment-x")!.Worst(t)!.Value;

    // By a script from statics and the clauses alone: Hermite beams of 10 mm on springs, the places found by stepping.
    [Fact]
    public void Cut_reach_strength_and_shear_on_the_way_are_those_of_a_script()
    {
        var project = Worked();
        var k = Array.FindIndex([.. project.Combinations.Used], c => c.IsFor(Family.Concrete));
        var (t, zone) = Laid(project, Designed(1.6));
        var through = Curtailment.Capacity(zone);
        through.Moment.Should().BeApproximately(606.482, 0.01);
        zone.Developed.Should().BeApproximately(0.697101, 1e-6);
        through.Beyond.Should().BeApproximately(0.6625, 1e-9, "d is more than 12 db");
        zone.Needed(k, -1, through.Moment)!.Value.Cut.Should().BeApproximately(Script.CutLow, 2e-4);
        zone.Needed(k, 1, through.Moment)!.Value.Cut.Should().BeApproximately(Script.CutHigh, 2e-4);
        t.Long.Section(k, zone.Origin(k, -1)).Moment.Should().BeApproximately(Script.FaceLow, 0.02);
        t.Long.Section(k, zone.Origin(k, 1)).Moment.Should().BeApproximately(Script.FaceHigh, 0.02);

        var shear = Found(t);
        shear.Note.Should().Be($"shear {Script.ShearAt} m along x, towards −x");
        shear.Outcome.Utilisation.Should().BeApproximately(Script.Shear, 2e-4);

        // Shorter, and were the shear no matter, their reach is what lacks.
        var (shorter, low) = Laid(project, Designed(0.9));
        var none = default(NoTrace);
        Found(shorter).Note.Should().Be("shear where they end towards −x");
        Curtailment.Evaluate(low, through with { Shear = 1e9 }, k, ref none).Utilisation.Should().BeApproximately(Script.Reach, 2e-4);

        // Where they end in a stretched face.
        var (_, ends) = Laid(project, Designed(1.5));
        Curtailment.UsedAtEnd(ends, through, k, 1).Should().BeApproximately(Script.AtEnd, 5e-4);
        Curtailment.UsedAtEnd(ends, through, k, -1).Should().Be(0, "the top is stretched there");
    }

    private static class Script
    {
        public const double CutLow = 0.34381;
        public const double CutHigh = 1.23955;
        public const double FaceLow = 759.5004;
        public const double FaceHigh = 778.6115;
        public const double Shear = 1.12902;
        public const string ShearAt = "-0.14";
        public const double Reach = 1.35700;
        public const double AtEnd = 1.03868;
    }

    // 7.7.3.8.3: ld ≤ Mn/Vu + la where the moment in a bay is nil.
    [Fact]
    public void Bars_in_a_bay_are_developed_where_the_moment_is_nil()
    {
        var project = Worked();
        var design = Designed(1.6) with { Extra = ExtraLayout.Without(5).With(false, 1, Extra("2 T20", 1, 1)), TopX = Bars("11 T20") };
        var (_, zone) = Laid(project, design);
        var (k, none) = (0, default(NoTrace));
        var through = Curtailment.Capacity(zone);
        var nil = zone.Needed(k, 1, 0)!.Value.Cut;
        var at = zone.Along.Section(k, nil);
        at.Moment.Should().BeApproximately(0, 1e-6);
        nil.Should().BeInRange(zone.To - 2, zone.To + 1);

        // As little moment as makes the bond tell, all else held.
        var weak = through with { Moment = zone.Developed * Math.Abs(at.Shear) / 4, Beyond = zone.Developed / 2, Half = 1e9, Shear = 1e9, AtEnd = 0 };
        var utilisation = zone.Developed / ((weak.Moment / Math.Abs(at.Shear)) + weak.Beyond);
        utilisation.Should().BeApproximately(4 / 3.0, 1e-9);
        Curtailment.AtInflection(zone, weak, k, 1, ref none).Utilisation.Should().BeApproximately(utilisation, 1e-9);
        Curtailment.AtInflection(zone, through, k, 1, ref none).Utilisation.Should().BeLessThan(1);
        var (_, over) = Laid(project, Designed(1.6));
        Curtailment.AtInflection(over, weak, k, 1, ref none).Done.Should().BeFalse("over columns it is no bar for a moment in the bay");
    }

    [Fact]
    public void A_third_of_the_bars_runs_through()
    {
        var (t, _) = Laid(Worked(), Designed(1.6, "5 T25", "4 T25"));
        Found(t).Note.Should().NotContain("third");
        var (fewer, zone) = Laid(Worked(), Designed(1.6, "2 T25", "5 T25"));
        var none = default(NoTrace);
        Curtailment.Evaluate(zone, Curtailment.Capacity(zone) with { Moment = 1e9, Half = 1e9, Shear = 1e9, AtEnd = 0 }, 0, ref none)
            .Utilisation.Should().BeGreaterThanOrEqualTo(7 / 6.0, "five beside two leave less than a third");
        fewer.Extra.Laid.Length.Should().Be(1);
    }

    [Fact]
    public void Mirrored_they_are_used_alike() => Gen.Select(Gen.Double[0.8, 2.2], Gen.Double[0.8, 2.2], Gen.Double[-60, 60]).Sample(
        (low, high, moment) =>
        {
            double[] n = [800, 1800, 1908, 1440, 712], at = [0, 5, 10.5, 15, 19.6];
            Project Made(bool mirrored) => StripTests.OnStrip(
                CombinedTests.Project(Rules, [.. Enumerable.Range(0, 5).Select(i => mirrored ? 4 - i : i).Select(i =>
                    (mirrored ? 19.6 - at[i] : at[i], 0.0, 0.4, 0.4,
                        new SupportAction(n[i], mirrored ? -9 : 9, 0, 0, mirrored ? -moment : moment, 0)))]),
                20e3);
            var design = Designed(1) with { Extra = Over(5, (2, Extra("4 T25", low, high)), (0, Extra("3 T25", 0.37, high))) };
            var turned = design with { Extra = Over(5, (2, Extra("4 T25", high, low)), (4, Extra("3 T25", high, 0.37))) };
            StripTrial Trial(Project p, StripDesign d, double a, double b)
            {
                var t = (StripTrial)new Checker(p, p.Foundations[0]).Trials[0];
                t.Adopt(d.With(a, b));
                return t;
            }

            var (one, other) = (Trial(Made(false), design, 0.37, 0.23), Trial(Made(true), turned, 0.23, 0.37));
            Found(one).Outcome.Utilisation.Should().BeApproximately(Found(other).Outcome.Utilisation, 1e-6);
        },
        iter: 40);

    internal static Project Curtailed(Project project, double share)
    {
        var f = project.Foundations[0];
        return project with { Foundations = [f with { Rules = f.Rules with { Steel = f.Rules.Steel with { Curtail = share } } }] };
    }

    private static readonly SizingRules Coarse = Rules.Sizing with { MostPlan = 3, MostThickness = 1.4, PlanStep = 0.1, ThicknessStep = 0.1 };

    internal static Project Made((double[] Gaps, double[] N, double M, double K) r, bool ribbed) =>
        StripTests.Made(r, Coarse) is var made && ribbed ? RibTests.Ribbed(made, 0.7) : made;

    [Fact]
    public void No_section_is_weaker_than_what_acts_there()
    {
        var curtailed = 0;
        Gen.Select(StripTests.Rows, Gen.Bool).Sample(
            (r, ribbed) =>
            {
                var project = Curtailed(Made(r, ribbed), 0.01);
                if (FoundationSizer.Of(project, project.Foundations[0]).Size().Design is { } design)
                {
                    HoldsAllAlong(project, design);
                    _ = design.ExtraBars.Any ? Interlocked.Increment(ref curtailed) : 0;
                }
            },
            iter: 24);
        curtailed.Should().BeGreaterThan(1);
    }

    [Fact]
    public void Nor_is_one_of_a_rib()
    {
        var made = Worked();
        var rules = made.Foundations[0].Rules;
        var project = Curtailed(RibTests.Ribbed(made with
        {
            Foundations = [made.Foundations[0] with { Rules = rules with { Sizing = Coarse, Ground = rules.Ground with { Bearing = 150 } } }],
        }, 0.7), 0.01);
        var design = FoundationSizer.Of(project, project.Foundations[0]).Size().Design;
        design.Should().BeOfType<RibDesign>().Which.ExtraBars.Any.Should().BeTrue();
        HoldsAllAlong(project, design!);
    }

    // At 600 sections of every combination, whatever is looked at by the check.
    private static void HoldsAllAlong(Project project, FoundationDesign design)
    {
        var checker = new Checker(project, project.Foundations[0]);
        checker.Check(design).Checks.Where(c => !c.Passes).Should().BeEmpty($"{design}");
        checker.Set(design);
        var (t, none) = (checker.Trials[0], default(NoTrace));
        var (zones, along) = (t.Extra!, t.Extra!.Along);
        foreach (var k in t.CombinationsFor(Family.Concrete))
        {
            for (var i = 0; i < 600; i++)
            {
                var x = along.Low + ((along.High - along.Low) * (i + 0.5) / 600);
                var at = along.Section(k, x);
                var bottom = at.Moment > 0;
                if (!along.Layer(bottom).Any || t.Columns.ToArray().Any(c => x > c.Face(true, -1) && x < c.Face(true, 1)))
                {
                    continue;
                }

                var (own, zone) = (along.Layer(bottom).Area, zones.At(bottom, x));
                var where = $"at {x} of {design}";
                Math.Abs(at.Moment).Should().BeLessThanOrEqualTo(along.Held(bottom, own + zones.SteelAt(bottom, x), ref none).Strength * 1.0001, where);
                foreach (var side in (ReadOnlySpan<int>)(zone is null ? [] : [-1, 1]))
                {
                    if (!zone!.RunsOut(side) && side * (zone.End(side) - x) < Math.Max(along.Depth(bottom), 12 * zone.Layer.Diameter))
                    {
                        Math.Abs(at.Moment).Should().BeLessThanOrEqualTo(along.Held(bottom, own, ref none).Strength * 1.0001, "the last d and 12 db are beyond " + where);
                    }
                }

                // Shear of flat strips: beyond d from the columns, by the bars of the face that is stretched.
                if (design is StripDesign && t.Columns.ToArray().All(c => Math.Abs(x - c.X) > 0.2 + along.Depth(true)))
                {
                    Math.Abs(at.Shear).Should().BeLessThanOrEqualTo(along.Sheared(bottom, own + zones.SteelAt(bottom, x), x, ref none) * 1.0001, where);
                }
            }
        }
    }

    // Each number that may run through, each number and reach of extra ones, zone by zone.
    [Fact]
    public void None_that_pass_are_lighter() => StripTests.Rows.Sample(
        r =>
        {
            var project = Curtailed(StripTests.Made(r, Coarse), 0.03);
            var through = Curtailed(project, 1);
            if (FoundationSizer.Of(through, through.Foundations[0]).Size().Design is not StripDesign plain)
            {
                return;
            }

            var checker = new Checker(project, project.Foundations[0]);
            var found = (StripDesign)new ExtraSearch(checker, project.Foundations[0]).Find(plain);
            var most = plain.BottomX.Resolve(plain.Size.Width, 0.075).Count * plain.Size.Length;
            var least = Enumerable.Range(2, Math.Max(0, plain.BottomX.Resolve(plain.Size.Width, 0.075).Count - 2))
                .Min(n => (double?)Lightest(checker, plain with { BottomX = new BarSpec(plain.BottomX.Size, n, 0) { Hooked = plain.BottomX.Hooked } }))
                ?? double.PositiveInfinity;
            least = least > 0.97 * most ? most : least;
            Metres(found).Should().BeLessThanOrEqualTo(least + 1e-6, $"{found.BottomX}{found.Extra.Words(true, ["1", "2", "3", "4"])}, all through {plain.BottomX}");
        },
        iter: 6);

    private static double Metres(StripDesign d) => (d.BottomX.Resolve(d.Size.Width, 0.075).Count * d.Size.Length)
        + Enumerable.Range(0, d.At.Length).Sum(i => d.Extra.Over[i].Any ? d.Extra.Over[i].Bars.Count * (d.Extra.Over[i].Low + d.Extra.Over[i].High) : 0);

    private static double Lightest(Checker checker, StripDesign bare)
    {
        bool Passes(ExtraLayout extra)
        {
            var design = bare with { Extra = extra };
            return Strip.FaultOfPlan(checker.Foundation, design, Units.UnitSystem.Metric) is null && checker.Check(design).Passes;
        }

        if (Passes(bare.Extra))
        {
            return Metres(bare);
        }

        var (columns, at) = (bare.At.Length, checker.Foundation.Places[0].InOwnAxes());
        double Gap(int i) => at[i + 1].X - at[i].X;
        ExtraBars Reaching(int i, int count, double reach)
        {
            double Toward(double end) => reach > end - 0.1 ? end : reach;
            return new ExtraBars(new BarSpec(bare.BottomX.Size, count, 0), i == 0 ? Toward(bare.Ends.Low) : reach, i == columns - 1 ? Toward(bare.Ends.High) : reach);
        }

        // All others with as many and as long as may be.
        var ample = Enumerable.Range(0, columns).Select(i => Reaching(i, bare.BottomX.Count - 1,
            Math.Floor(10 * 0.48 * Math.Min(i == 0 ? 9 : Gap(i - 1), i == columns - 1 ? 9 : Gap(i))) / 10)).ToArray();
        var extra = bare.Extra;
        for (var i = 0; i < columns; i++)
        {
            extra = extra.With(true, i, ample[i]);
        }

        if (!Passes(extra))
        {
            return double.PositiveInfinity;
        }

        for (var i = 0; i < columns; i++)
        {
            var (best, mass) = (ample[i], ample[i].Bars.Count * (ample[i].Low + ample[i].High));
            if (Passes(extra.With(true, i, ExtraBars.None)))
            {
                (best, mass) = (ExtraBars.None, 0);
            }

            for (var count = 2; count < bare.BottomX.Count && mass > 0; count++)
            {
                for (var reach = 0.3; reach < 3; reach = Math.Round(reach + 0.1, 6))
                {
                    var one = Reaching(i, count, reach);
                    var own = count * (one.Low + one.High);
                    if (own < mass && Passes(extra.With(true, i, one)))
                    {
                        (best, mass) = (one, own);
                    }
                }
            }

            extra = extra.With(true, i, best);
        }

        return Metres(bare with { Extra = extra });
    }

    [Theory]
    [InlineData("at.C3.extra", "3 T20", "as thick as those that run through, T25 by bottom-x")]
    [InlineData("at.C3.extra", "6 T25", "so that there are 4 at most")]
    [InlineData("at.C3.extra", "T25 @ 200 mm", "counted and straight")]
    [InlineData("between.\"C1+C2\".extra", "3 T20", "extra-reach is missing")]
    public void What_cannot_be_laid_is_refused(string key, string bars, string message)
    {
        var project = Worked();
        var design = (FoundationDesign)Designed(1.6).With(0.37, 0.23);
        design = Strip.Fields(["C1", "C2", "C3", "C4", "C5"]).First(f => f.Key == key).Put(design, new FieldValue.Bars(Bars(bars)));
        var fault = Strip.FaultOfPlan(project.Foundations[0], design, Units.UnitSystem.Metric);
        fault!.Value.Message.Should().Contain(message);
        fault.Value.Key.Should().StartWith(key);
    }

    [Fact]
    public void Zones_that_overlap_a_bay_without_bars_and_a_reach_without_bars_are_refused()
    {
        var project = Worked();
        string? Fault(ExtraLayout extra) =>
            Strip.FaultOfPlan(project.Foundations[0], Designed(1).With(0.37, 0.23) with { Extra = extra }, Units.UnitSystem.Metric)?.Message;
        Fault(Over(5, (1, Extra("3 T25", 3, 3)), (2, Extra("3 T25", 3, 3)))).Should().Contain("over C2 and C3 overlap");
        Fault(ExtraLayout.Without(5).With(false, 0, Extra("3 T20", 3, 3))).Should().Contain("nothing of the bars is left");
        Fault(Over(5, (1, new ExtraBars(BarSpec.None, 1, 1)))).Should().Contain("given without bars");
        Fault(Over(5, (1, Extra("3 T25", 1, 1)))).Should().BeNull();
    }

    [Fact]
    public void Places_of_bars_are_shared_evenly()
    {
        BarPositions.Spread([0, 1, 2, 3, 4], 3).Should().Equal(0, 2, 4);
        BarPositions.Spread([0, 1, 2, 3], 4).Should().Equal(0, 1, 2, 3);
        var (through, extra) = BarPositions.Shared(4, 2, 1);
        through.Concat(extra).Order().Should().BeEquivalentTo(Enumerable.Range(0, 6).Select(i => -0.5 + (i / 5.0)), o => o.WithStrictOrdering()
            .Using<double>(c => c.Subject.Should().BeApproximately(c.Expectation, 1e-12)).WhenTypeIs<double>());
        extra.Should().HaveCount(2).And.OnlyContain(x => Math.Abs(x) < 0.5, "the corners run through");
    }

    [Fact]
    public void Bars_that_run_out_with_hooks_have_one()
    {
        var project = Worked();
        var f = project.Foundations[0];
        var design = Designed(1.6, "5 T25 hooked") with { Extra = Over(5, (0, Extra("3 T25", 0.37, 1.2)), (2, Extra("4 T25", 1.6, 1.4))) };
        var bars = BarList.Of(project, f, design.With(0.37, 0.23)).Where(b => b.Where.StartsWith("over", StringComparison.Ordinal)).ToList();
        bars.Select(b => (b.Where, b.Count, b.Shape.Code)).Should().Equal(("over C1", 3, "11"), ("over C3", 4, "00"));
        bars[1].Shape.A.Should().BeApproximately(3, 1e-9);
        bars[0].Shape.A.Should().BeApproximately(0.37 - 0.075 + 1.2, 1e-9);

        // A hook of 16 db outside to its end; one bend takes (2 − π/2)·r + (2 − π/4)·d off.
        var (hook, radius) = (bars[0].Shape.B, project.Code.BendDiameter(0.025) / 2);
        var cut = 1.495 + hook - (((2 - (Math.PI / 2)) * radius) + ((2 - (Math.PI / 4)) * 0.025));
        bars[0].Shape.Length.Should().BeInRange(cut - 1e-9, cut + 0.005);
    }
}
