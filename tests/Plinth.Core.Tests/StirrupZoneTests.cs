using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Kinds.Strip;
using Plinth.Core.Sizing;
using Plinth.Core.Tracing;
using Plinth.Core.Units;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Stirrups of a rib that stand closer about its columns: what they hold section by section, where they end, what is found.</summary>
public class StirrupZoneTests
{
    private static readonly SizingRules Coarse = Rules.Sizing with { MostPlan = 3, MostThickness = 1.4, PlanStep = 0.1, ThicknessStep = 0.1 };

    private static readonly Gen<(double[] Gaps, double[] N, double M, double K)> Heavy =
        StripTests.Rows.Select(r => (r.Gaps, r.N.Select(n => 400 + (1.5 * n)).ToArray(), r.M, r.K));

    private static Project Zoned(Project project, double least)
    {
        var f = project.Foundations[0];
        return project with { Foundations = [f with { Rules = f.Rules with { Steel = f.Rules.Steel with { ZoneStirrups = least } } }] };
    }

    private static Project Made((double[] Gaps, double[] N, double M, double K) r) => RibTests.Ribbed(StripTests.Made(r, Coarse), 0.5);

    private static int Count(Project project, RibDesign d) => new RibKind().OtherBars(project, project.Foundations[0], d)
        .Where(g => g.Role == Schedules.BarRole.Stirrups).Sum(g => g.Count);

    // Every section beyond d of a column is held by its own stirrups.
    private static void HoldsAllAlong(RibTrial t)
    {
        var none = default(NoTrace);
        for (var k = 0; k < t.Combinations.Length; k++)
        {
            if (!t.Combinations[k].IsFor(Loads.Family.Concrete) || t.Body.Contact(k).State == ContactState.NoEquilibrium)
            {
                continue;
            }

            double Used(string id) => t.Checks.Find(id)!.Trace(t.Rib, k, [], new NoteSlot()) is { Done: true } o ? o.Utilisation : 0;
            var (shear, apart) = (Used("shear-stirrups"), Used("stirrup-spacing"));
            for (var i = 0; i < 600; i++)
            {
                var x = t.Rib.Low + ((t.Rib.High - t.Rib.Low) * (i + 0.5) / 600);
                if (t.Body.Columns.ToArray().Any(c => x > c.Face(true, -1) - t.Rib.Depth(true) && x < c.Face(true, 1) + t.Rib.Depth(true)))
                {
                    continue;
                }

                var at = t.Rib.Section(k, x);
                var beam = t.Rib.InShear(at.Moment >= 0, t.Rib.StirrupSpacing(x));
                var held = t.Code.BeamShear(ref none, t.Rules.Concrete, beam);
                shear.Should().BeGreaterThanOrEqualTo((Math.Abs(at.Shear) / held) - 1e-3, $"V {at.Shear} M {at.Moment} at {x}");
                var limits = t.Code.Stirrups(ref none, t.Rules.Concrete, beam, Math.Abs(at.Shear));
                apart.Should().BeGreaterThanOrEqualTo((beam.Spacing / limits.Spacing) - 1e-9, $"stirrups where V {at.Shear} at {x}");
            }
        }
    }

    [Fact]
    public void No_section_is_used_more_than_the_checks_tell() => Gen.Select(Heavy, Gen.Double[0.3, 2.2].Array[4], Gen.Double[0.7, 1.1]).Sample(
        (r, reach, depth) =>
        {
            var design = RibTests.Design(r.Gaps, (0.6, 0.8), 2.2, 0.35, 0.45, depth) with
            {
                Closer = new([.. Enumerable.Range(0, r.Gaps.Length + 1).Select(i => i == 1 ? StirrupZone.None
                    : new StirrupZone(Bars("T10 @ 125 mm"), reach[i], reach[(i + 1) % 4]))]),
            };
            if (new RibKind().FaultOfPlan(Made(r).Foundations[0], design, UnitSystem.Metric) is null)
            {
                HoldsAllAlong(RibTests.Trial(RibTests.Ribbed(StripTests.Made(r, Rules.Sizing), 0.45), design));
            }
        },
        iter: 60);

    // About every column to the middle between two, all stand as close: then all is as if they did so all along.
    [Fact]
    public void Zones_that_meet_are_stirrups_as_close_all_along() => Heavy.Sample(
        r =>
        {
            var close = RibTests.Design(r.Gaps, (0.6, 0.8), 2.2, 0.35, 0.45, 0.9);
            double To(int gap, double end) => gap < 0 || gap >= r.Gaps.Length ? end : r.Gaps[gap] / 2;
            var zoned = close with
            {
                Rib = close.Rib with { Stirrups = Bars("T10 @ 201 mm") },
                Closer = new([.. Enumerable.Range(0, r.Gaps.Length + 1).Select(i => new StirrupZone(Bars("T10 @ 200 mm"), To(i - 1, 0.6), To(i, 0.8)))]),
            };
            var project = RibTests.Ribbed(StripTests.Made(r, Rules.Sizing), 0.45);
            foreach (var id in (string[])["shear-stirrups", "stirrup-spacing"])
            {
                double Worst(RibDesign d) => Check(project, d).Checks.Single(c => c.Id == id).Outcome.Utilisation;
                Worst(zoned).Should().BeApproximately(Worst(close), 0.006 * Worst(close), id);
            }

            Count(project, zoned).Should().BeInRange(Count(project, close), Count(project, close) + r.Gaps.Length + 1, "a stirrup where two zones meet");
        },
        iter: 40);

    // V at the end of the zone by the free body from the left end on; φVn by 22.5 by hand: 0.75·(0.17·√30 + 157.08·420/(450·300))·450·d.
    [Fact]
    public void Where_they_end_the_others_hold()
    {
        var r = (Gaps: (double[])[5.0, 5.0], N: (double[])[600, 1100, 600, 0], M: 0.0, K: 2e4);
        var project = RibTests.Ribbed(StripTests.Made(r, Rules.Sizing), 0.45);
        var design = RibTests.Design(r.Gaps, (0.6, 0.6), 2.2, 0.35, 0.45, 0.9) with { Closer = StirrupZones.Without(3).With(1, new(Bars("T10 @ 125 mm"), 1.5, 1.5)) };
        design = design with { Rib = design.Rib with { Stirrups = Bars("T10 @ 300 mm") } };
        var t = RibTests.Trial(project, design);
        var found = t.Checks.Find("shear-stirrups")!.Worst(t)!.Value;
        var (k, none) = (found.Combination, default(NoTrace));
        var (low, high) = (t.Rib.Section(k, t.Columns[1].X - 1.5), t.Rib.Section(k, t.Columns[1].X + 1.5));
        var most = Math.Max(Math.Abs(low.Shear), Math.Abs(high.Shear));
        var d = t.Rib.Depth(low.Moment >= 0);
        var held = 0.75 * ((0.17 * Math.Sqrt(30)) + (157.0796 * 420 / (450 * 300))) * 450 * d;
        found.Outcome.Utilisation.Should().BeApproximately(most / held, 1e-4);
        found.Note.Should().Contain("where closer stirrups end");
        t.Code.BeamShear(ref none, t.Rules.Concrete, t.Rib.InShear(low.Moment >= 0, t.Rib.StirrupSpacing(t.Columns[1].X))).Should().BeGreaterThan(held * 1.3);
        t.Rib.StirrupSpacing(t.Columns[1].X - 1.5).Should().Be(0.3, "at the end of a zone as beyond it");
    }

    [Fact]
    public void What_is_found_passes_saves_and_no_zone_is_a_step_shorter()
    {
        var zoned = 0;
        Heavy.Sample(
            r =>
            {
                var (alike, project) = (Made(r), Zoned(Made(r), 0.05));
                if (FoundationSizer.Of(alike, alike.Foundations[0]).Size().Design is not RibDesign without)
                {
                    return;
                }

                var found = (RibDesign)FoundationSizer.Of(project, project.Foundations[0]).Size().Design!;
                Check(project, found).Checks.Where(c => !c.Passes).Should().BeEmpty($"{found}");
                new RibKind().FaultOfPlan(project.Foundations[0], found, UnitSystem.Metric).Should().BeNull("what is found can be written and read");
                if (!found.Closer.Any)
                {
                    found.Should().Be(without);
                    return;
                }

                Interlocked.Increment(ref zoned);
                (found with { Closer = without.Closer, Rib = found.Rib with { Stirrups = without.Rib.Stirrups } }).Should().Be(without, "sizes and bars stay");
                ((double)Count(project, found)).Should().BeLessThanOrEqualTo(0.95 * Count(project, without));
                HoldsAllAlong(RibTests.Trial(project, found));

                // Of every wider spacing with every zone a step shorter where it may be: none has fewer.
                for (var i = 0; i < found.Closer.At.Length; i++)
                {
                    if (found.Closer.At[i] is { Any: true } own)
                    {
                        // What comes near the end of the base runs out to it.
                        var shorter = (i == 0 ? own.High : i == found.Closer.At.Length - 1 ? own.Low : Math.Max(own.Low, own.High)) - 0.1;
                        var less = found with { Closer = found.Closer.With(i, shorter < 0.05 ? StirrupZone.None : own with { Low = Math.Min(own.Low, shorter), High = Math.Min(own.High, shorter) }) };
                        Check(project, less).Passes.Should().BeFalse($"zone {i} of {found}");
                    }
                }
            },
            iter: 16);
        zoned.Should().BeGreaterThan(3);
    }

    // Every wider spacing × every reach of every zone, of two columns.
    [Fact]
    public void No_spacing_and_reach_have_fewer()
    {
        var r = (Gaps: (double[])[5.2], N: (double[])[900, 1150, 0, 0], M: 10.0, K: 2e4);
        var (alike, project) = (Made(r), Zoned(Made(r), 0.001));
        var without = (RibDesign)FoundationSizer.Of(alike, alike.Foundations[0]).Size().Design!;
        var found = (RibDesign)FoundationSizer.Of(project, project.Foundations[0]).Size().Design!;
        var (least, checker) = (Count(project, without), new Checker(project, project.Foundations[0]));
        for (var s = without.Rib.Stirrups.Spacing + 0.025; s < 0.6; s += 0.025)
        {
            foreach (var reaches in Enumerable.Range(0, 27).SelectMany(a => Enumerable.Range(0, 27).Select(b => (double[])[a * 0.1, b * 0.1])))
            {
                double Of(double there, double reach) => reach > there - 0.1 ? there : Math.Min(reach, 2.6);
                var design = without with
                {
                    Rib = without.Rib with { Stirrups = without.Rib.Stirrups with { Spacing = Math.Round(s, 6) } },
                    Closer = new([.. reaches.Select((v, i) => v == 0 ? StirrupZone.None
                        : new StirrupZone(without.Rib.Stirrups, i == 0 ? Of(without.Ends.Low, v) : v, i == 1 ? Of(without.Ends.High, v) : v))]),
                };
                if (Count(project, design) < least && new RibKind().FaultOfPlan(project.Foundations[0], design, UnitSystem.Metric) is null
                    && checker.Check(design).Passes)
                {
                    least = Count(project, design);
                }
            }
        }

        Count(project, found).Should().Be(least, $"{found}");
        least.Should().BeLessThan(Count(project, without));
    }
}
