using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Sizes and bars found for bases under several columns: they pass, no step smaller does, and no plan is cheaper.</summary>
public class CombinedSizingTests
{
    private static readonly SizingRules Bounds = Rules.Sizing with
    {
        MostPlan = 5,
        MostThickness = 1.5,
        PlanStep = 0.1,
        ThicknessStep = 0.1
    };

    private static RuleSet With(SizingRules sizing) =>
        Rules with { Sizing = sizing, Ground = DefaultGround with { FoundingDepth = 1.6, SubgradeModulus = 40e3 } };

    // Two columns with dead, live and wind load, moments of any sign; wind may lift one.
    private static readonly Gen<(double Span, double[] N, double[] M, double Wind)> Columns = Gen.Select(Gen.Double[1.5, 4],
        Gen.Double[150, 900].Array[4], Gen.Double[-40, 40].Array[4], Gen.Double[-250, 250]);

    private static Project Make((double Span, double[] N, double[] M, double Wind) c, SizingRules sizing, HeldValues? held = null)
    {
        var rules = With(sizing);
        Support[] supports = [Column(0.4, 0.4) with { Label = "C1" }, Column(0.5, 0.4) with { Label = "C2", X = c.Span }];
        LoadCase[] cases = [new LoadCase("DEAD", LoadSymbol.D), new LoadCase("LIVE", LoadSymbol.L), new LoadCase("WIND", LoadSymbol.W)];
        SupportAction Of(double n, double m) => new(n, m / 8, 0, 0, m, 0);
        var wind = new SupportAction(c.Wind, 12, 6, -8, 30, 0);
        return OneAction(Of(c.N[0], c.M[0]), rules) with
        {
            Supports = supports,
            Cases = cases,
            Combinations = CombinationBuilder.Build(LoadStandards.Find("asce7-16")!, cases, new LoadOptions { LoadsNotActing = true }, []),
            Actions = new Dictionary<string, SupportAction[]>
            {
                ["C1"] = [Of(c.N[0], c.M[0]), Of(c.N[1], c.M[1]), wind],
                ["C2"] = [Of(c.N[2], c.M[2]), Of(c.N[3], c.M[3]), -1 * wind]
            },
            Foundations = [new Foundation("CF1", [new Place(supports, 0, rules.Ground)], false, held ?? HeldValues.Nothing,
                rules) { Kind = CombinedTests.Combined }],
        };
    }

    [Fact]
    public void What_is_found_passes_and_no_smaller_step_does() => Columns.Sample(PassesAndNoSmallerDoes, iter: 40);

    [Fact]
    public void Outer_bars_are_as_few_as_the_inner_ones_allow() =>
        PassesAndNoSmallerDoes((91 / 55.0, [631.5, 816, 798.0438384440982, 583], [-26.65897993132816, -4, 0, -8], 0));

    private static void PassesAndNoSmallerDoes((double Span, double[] N, double[] M, double Wind) c)
    {
        var project = Make(c, Bounds);
        var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
        found.Design.Should().NotBeNull(found.Stop?.Check + " " + found.Stop?.Bound + " " + found.Stop?.Note);
        Check(project, found.Design!).Checks.Where(k => !k.Passes)
            .Select(k => $"{k.Id} {k.At} {k.Utilisation} {k.Combination}")
            .Should().BeEmpty($"{found.Design}");
        foreach (var (step, stop) in FoundationSizer.Of(project, project.Foundations[0]).Why(found.Design!))
        {
            stop.Should().NotBeNull($"{step} of {found.Design}");
        }
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void No_length_width_and_thickness_is_cheaper(bool pedestals) => Columns.Sample(
        c =>
        {
            var sizing = Bounds with
            {
                LeastPlan = 1.2,
                MostPlan = 3.6,
                PlanStep = 0.3,
                LeastThickness = 0.4,
                MostThickness = 1.0,
                ThicknessStep = 0.2
            };
            Project Own(HeldValues? values = null)
            {
                var made = Make(c, sizing, values);
                var rules = made.Foundations[0].Rules with
                {
                    Pedestal = new PedestalRules { Under = PedestalUnder.All, Height = 0.5 },
                    Column = new ColumnRules { Strength = 30e3 }
                };
                return pedestals ? made with { Foundations = [made.Foundations[0] with { Rules = rules }] } : made;
            }

            var project = Own();
            var sizer = FoundationSizer.Of(project, project.Foundations[0]);
            var found = sizer.Size().Design;
            (double Cost, CombinedDesign Design)? best = null;
            foreach (var h in (double[])[0.4, 0.6, 0.8, 1.0])
            {
                for (var l = 1; 0.3 * l <= c.Span + 3.6 + 1e-9; l++)
                {
                    for (var b = 4; b <= 12; b++)
                    {
                        var held = Own(new HeldValues { Length = Math.Round(0.3 * l, 6), Width = Math.Round(0.3 * b, 6), Thickness = h });
                        var one = FoundationSizer.Of(held, held.Foundations[0]);
                        if (one.Size().Design is CombinedDesign d && one.Cost(d) is var cost && (best is null || cost < best.Value.Cost))
                        {
                            best = (cost, d);
                        }
                    }
                }
            }

            (found is null).Should().Be(best is null);
            if (found is not null)
            {
                (sizer.Cost(found) / best!.Value.Cost).Should().BeLessThan(1.01, $"{found.Size} for {best.Value.Design.Size}");
            }
        },
        iter: 12);

    [Fact]
    public void No_plan_near_it_on_the_usual_steps_is_cheaper() => Columns.Sample(NoneNearIsCheaper, iter: 4);

    [Fact]
    public void Thicker_bars_are_not_taken_for_thin_ones_that_were_one_too_many() =>
        NoneNearIsCheaper((190 / 83.0, [316, 5012 / 13.0, 199, 730], [12.43830270788834, 0, 38.158261837805725, -3424E-62], -215));

    private static void NoneNearIsCheaper((double Span, double[] N, double[] M, double Wind) c)
    {
        var sizing = Bounds with { MostPlan = 4, PlanStep = 0.05, ThicknessStep = 0.05 };
        var project = Make(c, sizing);
        var sizer = FoundationSizer.Of(project, project.Foundations[0]);
        if (sizer.Size().Design is not CombinedDesign found)
        {
            return;
        }

        var cost = sizer.Cost(found);
        for (var (l, b, h) = (-4, -4, -2); h <= 2; (l, b, h) = l < 4 ? (l + 1, b, h) : b < 4 ? (-4, b + 1, h) : (-4, -4, h + 1))
        {
            var size = found.Size;
            var held = Make(c, sizing,
                new HeldValues
                {
                    Length = Math.Round(size.Length + (0.05 * l), 6),
                    Width = Math.Round(size.Width + (0.05 * b), 6),
                    Thickness = Math.Round(size.Thickness + (0.05 * h), 6)
                });
            var one = FoundationSizer.Of(held, held.Foundations[0]);
            if (one.Size().Design is { } other)
            {
                one.Cost(other).Should().BeGreaterThan(cost / 1.01, $"{other.Size} passes beside {size}");
            }
        }
    }

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void What_steel_is_needed_in_any_case_is_never_more_than_a_design_has(bool waived) =>
        Columns.Sample(c => NeedsNoMoreThanItHas(c, waived), iter: 40);

    [Fact]
    public void A_section_beside_the_point_of_no_moment_needs_no_top_bars_that_thicker_bottom_bars_spare() =>
        NeedsNoMoreThanItHas((47 / 12.0, [63598 / 85.0, 594.5430145200402, 315.75494855110765, 215],
            [7 / 29.0, 1, -32.50345304469825, 61 / 13.0], -128), true);

    private static void NeedsNoMoreThanItHas((double Span, double[] N, double[] M, double Wind) c, bool waived)
    {
        var project = Make(c, Bounds with { PlanStep = 0.05, ThicknessStep = 0.05 });
        var f = project.Foundations[0];
        f = waived
            ? f with
            {
                Leaves = [new Leave("minimum-steel-x", f.Mark, null, "agreed"),
                new Leave("minimum-steel-y", f.Mark, null, "agreed")]
            }
            : f;
        if (FoundationSizer.Of(project, f).Size().Design is not CombinedDesign found)
        {
            return;
        }

        var t = (CombinedTrial)new Checker(project, f).Trials[0];
        t.Adopt(found);
        var (along, across) = (t.Long.Layer(true).Area, t.Zones(false).ToArray().Where(z => z.Has(true)).Sum(z => z.Layer(true).Area));
        var (top, bars, floor) = (found.HasTop ? t.Long.Layer(false).Area : double.PositiveInfinity, new CombinedBars([t], f),
            new SteelFloor([t], f));
        foreach (var k in t.CombinationsFor(Family.Concrete).ToArray())
        {
            Array.Fill(t.Hints, k);
            bars.Thin();
            var need = floor.Need();
            need.Fails.Should().BeFalse($"{found} passes under {t.Combinations[k].Name}");
            need.Bottom.Should().BeLessThanOrEqualTo(along * (1 + 1e-6));
            need.Across.Should().BeLessThanOrEqualTo(across * (1 + 1e-6));
            need.Top.Should().BeLessThanOrEqualTo(top * (1 + 1e-6));
        }
    }

    [Fact]
    public void No_trapezoid_with_ends_of_its_own_is_cheaper() => Columns.Sample(
        c =>
        {
            var sizing = Bounds with
            {
                LeastPlan = 1.2,
                MostPlan = 3.6,
                PlanStep = 0.3,
                LeastThickness = 0.4,
                MostThickness = 1.0,
                ThicknessStep = 0.2
            };
            var open = new HeldValues { EdgeX0 = new HeldEdge(false, 0.3), Trapezoid = true };
            var project = Make(c, sizing, open);
            var sizer = FoundationSizer.Of(project, project.Foundations[0]);
            var found = sizer.Size().Design;
            (double Cost, CombinedDesign Design)? best = null;
            foreach (var h in (double[])[0.4, 0.6, 0.8, 1.0])
            {
                for (var l = (int)Math.Ceiling(c.Span / 0.3); 0.3 * l <= c.Span + 3.6 + 1e-9; l++)
                {
                    for (var a = 4; a <= 12; a++)
                    {
                        for (var b = 4; b <= 12; b++)
                        {
                            var one = Make(c, sizing,
                                open with
                                {
                                    Length = Math.Round(0.3 * l, 6),
                                    Width = Math.Round(0.3 * a, 6),
                                    EndWidth = Math.Round(0.3 * b, 6),
                                    Thickness = h
                                });
                            var own = FoundationSizer.Of(one, one.Foundations[0]);
                            if (a != b && Math.Max(a, b) <= 2.5 * Math.Min(a, b) && own.Size().Design is CombinedDesign d
                                && own.Cost(d) is var cost && (best is null || cost < best.Value.Cost))
                            {
                                best = (cost, d);
                            }
                        }
                    }
                }
            }

            (found is null).Should().Be(best is null, $"{best?.Design}");
            if (found is not null)
            {
                (sizer.Cost(found) / best!.Value.Cost).Should().BeLessThan(1.01,
                    $"{found.Size} {found.EndWidth} for {best.Value.Design.Size} {best.Value.Design.HighWidth}");
            }
        },
        iter: 8);

    [Fact]
    public void Of_ends_on_fine_steps_none_are_cheaper() => Columns.Sample(NoEndsAreCheaper, iter: 4);

    [Fact]
    public void A_trapezoid_that_stands_alone_among_its_neighbours_is_found() =>
        NoEndsAreCheaper((3, [676, 9124 / 21.0, 8946 / 37.0, 595], [2, 0, 10.463814502647947, 9.479817847579623], -27.925));

    // The least of its difference that stands needs thicker bars.
    [Fact]
    public void A_wider_trapezoid_with_fewer_bars_is_found() =>
        NoEndsAreCheaper((2.5523861287673126, [294, 205.64725732065423, 288, 4123 / 9.0], [-15.286309833431615, 0, 0, 0], 51));

    private static void NoEndsAreCheaper((double Span, double[] N, double[] M, double Wind) c)
    {
        // The ends differ by so many steps that not all are looked at.
        var sizing = Bounds with { LeastPlan = 1.2, MostPlan = 4.2, PlanStep = 0.1 };
        var open = new HeldValues
        {
            EdgeX0 = new HeldEdge(false, 0.4),
            EdgeX1 = new HeldEdge(false, 0.5),
            Thickness = 0.8,
            Trapezoid = true
        };
        var project = Make(c, sizing, open);
        var sizer = FoundationSizer.Of(project, project.Foundations[0]);
        var found = sizer.Size().Design;
        var best = double.PositiveInfinity;
        for (var a = 12; a <= 42; a++)
        {
            for (var b = 12; b <= 42; b++)
            {
                if (a != b && Math.Max(a, b) <= 2.5 * Math.Min(a, b))
                {
                    var one = Make(c, sizing, open with { Width = Math.Round(0.1 * a, 6), EndWidth = Math.Round(0.1 * b, 6) });
                    var own = FoundationSizer.Of(one, one.Foundations[0]);
                    best = Math.Min(best, own.Size().Design is { } d ? own.Cost(d) : double.PositiveInfinity);
                }
            }
        }

        (found is null ? double.PositiveInfinity : sizer.Cost(found)).Should().BeLessThanOrEqualTo(best * 1.01,
            $"{found?.Size} {found?.EndWidth}");
    }

    [Fact]
    public void Columns_stand_on_what_is_held_and_the_rest_is_found()
    {
        var c = (3.0, new double[] { 300, 150, 400, 200 }, new double[] { 10, -5, 20, 0 }, 40.0);
        var project = Make(c, Bounds, new HeldValues { EdgeX0 = new HeldEdge(true, 0), Width = 2.5, BottomX = Bars("12 T25") });
        var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
        found.Stop.Should().BeNull();
        var d = (CombinedDesign)found.Design!;
        (d.Offset.X + (d.Size.Length / 2) - 1.5).Should().BeApproximately(0.2, 1e-6, "the end is flush with the first column's face");
        d.Size.Width.Should().Be(2.5);
        d.BottomX.Should().Be(Bars("12 T25"));
    }

    [Fact]
    public void A_trapezoid_as_long_as_its_columns_reach_stands_at_all_its_widths()
    {
        // Its centroid is no round number: however the offset is written one end lies off by less than a thousandth of a millimetre.
        var project = SomeKinds.Of("trapezoid", 0, 0.25, 0);
        var f = project.Foundations[0];
        var sizer = FoundationSizer.Of(project, f);
        var found = (CombinedDesign)sizer.Size().Design!;
        found.Size.Length.Should().BeApproximately(3, 1e-9, "from face to face");
        foreach (var (low, high) in ((double, double)[])[(3.2, 2.0), (3.6, 2.4), (3.8, 2.6), (4.0, 2.8), (4.2, 3.0), (3.6, 2.2), (3.4, 2.2), (4.2, 2.8)])
        {
            var held = HeldValues.Nothing with { Trapezoid = true, EdgeX0 = new HeldEdge(true, 0), Length = 3, Width = low, EndWidth = high };
            var one = project with { Foundations = [f with { Held = held }] };
            var own = FoundationSizer.Of(one, one.Foundations[0]).Size();
            (own.Stop?.Bound ?? "").Should().NotContain("do not stand on any such base", $"{low} × {high}");
            if (own.Design is { } design)
            {
                f.Kind.FaultOfPlan(f, design, Units.UnitSystem.Metric).Should().BeNull();
                sizer.Cost(found).Should().BeLessThan(sizer.Cost(design) * 1.01, $"{low} × {high}");
            }
        }
    }

    [Fact]
    public void A_trapezoid_is_found_where_both_ends_are_held()
    {
        var c = (4.0, new double[] { 500, 250, 400, 200 }, new double[] { 0, 0, 0, 0 }, 10.0);
        var held = new HeldValues { EdgeX0 = new HeldEdge(false, 0.5), EdgeX1 = new HeldEdge(false, 0.6), Trapezoid = true };
        var project = Make(c, Bounds, held);
        var found = FoundationSizer.Of(project, project.Foundations[0]).Size();
        found.Stop.Should().BeNull();
        var d = (CombinedDesign)found.Design!;
        Check(project, d).Checks.Where(k => !k.Passes)
            .Select(k => $"{k.Id} {k.At} {k.Utilisation} {k.Combination} {k.Note}")
            .Should().BeEmpty($"{d} {d.Bars(false, true)}");
        d.Size.Length.Should().BeApproximately(5.1, 1e-9);
        d.Size.Width.Should().BeGreaterThan(d.HighWidth, "the heavier column stands at the −x end");
        var cost = FoundationSizer.Of(project, project.Foundations[0]).Cost(d);
        for (var i = -3; i <= 3; i++)
        {
            for (var j = -3; j <= 3; j++)
            {
                var (low, high) = (Math.Round(d.Size.Width + (0.1 * i), 6), Math.Round(d.HighWidth + (0.1 * j), 6));
                var other = Make(c, Bounds, held with { Width = low, EndWidth = high });
                var sizer = FoundationSizer.Of(other, other.Foundations[0]);
                (sizer.Size().Design is { } made ? sizer.Cost(made) : double.PositiveInfinity).Should().BeGreaterThan(cost * 0.997,
                    $"ends of {low} and {high} m");
            }
        }

        foreach (var (step, stop) in FoundationSizer.Of(project, project.Foundations[0]).Why(d))
        {
            stop.Should().NotBeNull(step);
        }
    }

    [Fact]
    public void Bars_stand_at_whole_spacings_where_those_are_asked() => Columns.Sample(
        c =>
        {
            var project = Make(c, Bounds);
            var f = project.Foundations[0];
            f = f with { Rules = f.Rules with { Steel = f.Rules.Steel with { SpacingStep = 0.025 } } };
            project = project with { Foundations = [f] };
            var found = FoundationSizer.Of(project, f).Size();
            found.Stop.Should().BeNull();
            var d = (CombinedDesign)found.Design!;
            Check(project, d).Passes.Should().BeTrue();
            foreach (var bars in d.At.Select(a => a.Band).Append(d.BottomX).Append(d.TopX).Append(d.TopY).Append(d.Rest)
                .Where(b => b.Size is not null))
            {
                bars.Spacing.Should().BeGreaterThan(0, bars.ToString());
                Math.Abs(Math.IEEERemainder(bars.Spacing, 0.025)).Should().BeLessThan(1e-9, bars.ToString());
            }
        },
        iter: 15);

    [Fact]
    public void The_least_overhang_holds_where_no_edge_is_held() => Columns.Sample(
        c =>
        {
            var project = Make(c, Bounds with { LeastOverhang = 0.4 }, new HeldValues { EdgeX0 = new HeldEdge(true, 0) });
            if (FoundationSizer.Of(project, project.Foundations[0]).Size().Design is not CombinedDesign d)
            {
                return;
            }

            var within = new CombinedPlace(project.Foundations[0].Places[0], _ => null).Within(d);
            within.X0.Should().BeApproximately(0, 1e-6, "the engineer holds that edge");
            within.X1.Should().BeGreaterThanOrEqualTo(0.4 - 1e-6);
            Math.Min(within.Y0, within.Y1).Should().BeGreaterThanOrEqualTo(0.4 - 1e-6);
        },
        iter: 15);

    [Fact]
    public void One_design_serves_two_places_and_each_is_no_dearer_alone()
    {
        var project = Make((3.0, [300, 150, 400, 200], [10, -5, 20, 0], 40.0), Bounds);
        var f = project.Foundations[0];
        Support[] others = [.. f.Places[0].Supports.Select(s => s with { Label = "D" + s.Label[1..], Y = 10 })];
        var actions = new Dictionary<string, SupportAction[]>(project.Actions)
        {
            ["D1"] = [.. project.Actions["C1"].Select(a => 1.4 * a)],
            ["D2"] = [.. project.Actions["C2"].Select(a => 0.8 * a)]
        };
        var both = f with { Places = [f.Places[0], new Place(others, 0, f.Rules.Ground)], Alike = true };
        project = project with { Supports = [.. project.Supports, .. others], Actions = actions, Foundations = [both] };
        var sizer = FoundationSizer.Of(project, both);
        var found = sizer.Size().Design!;
        new Checks.Checker(project, both).Check(found).Passes.Should().BeTrue();
        foreach (var place in both.Places)
        {
            var alone = both with { Places = [place], Alike = false };
            var own = FoundationSizer.Of(project, alone);
            own.Cost(own.Size().Design!).Should().BeLessThanOrEqualTo(sizer.Cost(found) * 1.01);
        }
    }
}
