using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Concrete.Codes.En1992;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Loads;
using Plinth.Core.National;
using Plinth.Core.Tracing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Concrete by EN 1992-1-1: results worked by hand, and properties of perimeters, anchorage and sections.</summary>
public class EurocodeTests
{
    private static readonly En1992 Code = new(NationalAnnex.Recommended);
    private static NoTrace none;

    internal static readonly ConcreteRules C30 = new(30e3, 1e-9, 0.050, 0.050, 0.050, 0.020, 0.050) { CrackWidth = 0.0003 };

    internal static readonly RuleSet European = Rules with
    {
        Ground = DefaultGround with { FoundingDepth = null, TopDepth = 0, Bearing = 1e5, SoilWeight = 1e-9 },
        Concrete = C30,
        Steel = DefaultSteel with { Yield = 500e3, Bars = Sizes("H10", "H12", "H16", "H20", "H25") },
    };

    internal static Project Pad(SupportAction action, Support? column = null, HeldValues? held = null, RuleSet? rules = null) =>
        OneAction(action, rules ?? European, column, held, "en1992");

    internal static Trial TrialOf(Project project, FoundationDesign design)
    {
        var checker = new Checker(project, project.Foundations[0]);
        checker.Set(design);
        return checker.Trials[0];
    }

    private static readonly IsolatedDesign Pad6 = Design(2.4, 2.4, 0.55, "12 H16", "12 H16");

    [Fact]
    public void Strengths_of_C30_37()
    {
        En1992.MeanTension(30e3).Should().BeApproximately(2896, 0.5);
        En1992.CharacteristicTension(30e3).Should().BeApproximately(2028, 0.5);
        Code.DesignStrength(30e3).Should().BeApproximately(20e3, 1e-6);
        Code.Elasticity(30e3).Should().BeApproximately(32.84e6, 0.005e6);
        Code.PlainOneWayShear(ref none, C30, 1, 1).Should().BeApproximately(1081 / 1.5, 0.5);
        En1992.MeanTension(60e3).Should().BeApproximately(2.12e3 * Math.Log(7.8), 1);
    }

    // Accidental: 30/1.2 and 500/1.0; seismic as persistent (2.4.2.4).
    [Fact]
    public void Partial_factors_follow_the_design_situation()
    {
        var accidental = (En1992)Code.InSituation(LimitState.Accidental);
        accidental.DesignStrength(30e3).Should().BeApproximately(25e3, 1e-6);
        accidental.DesignYield(500e3).Should().Be(500e3);
        Code.InSituation(LimitState.Seismic).Should().BeSameAs(Code);
        var own = new En1992(new NationalAnnex(new Dictionary<string, double> { ["alpha-cc"] = 0.85, ["gamma-s"] = 1.2 }));
        own.DesignStrength(30e3).Should().BeApproximately(17e3, 1e-6);
        own.DesignYield(600e3).Should().BeApproximately(500e3, 1e-6);
    }

    // Base 2.5 m square, column 0.4 m square, N 1600 kN, d 0.5 m, ρl 0.004: net pressure 256 kPa.
    [Theory]
    [InlineData(0.25, 0.7563, 3.171, 1406, 0.8871, 1.794, 1.004, 1.030)]
    [InlineData(0.50, 1.745, 4.742, 1153, 0.4864, 0.8970, 2.268, 0.5499)]
    [InlineData(1.00, 4.902, 7.883, 345.2, 0.08758, 0.4485, 6.297, 0.1104)]
    public void Perimeters_by_hand(double a, double area, double u, double net, double stress, double strength, double w, double withMoment)
    {
        var p = new ShearPerimeter(a, (0, 0, 0.2, 0.2), false, 0, 0, (-1.25, 1.25, -1.25, 1.25));
        p.Inside.Area.Should().BeApproximately(area, 6e-4);
        p.Length.Should().BeApproximately(u, 6e-4);
        (p.AbsoluteX, p.AbsoluteY).Should().Be((p.AbsoluteY, p.AbsoluteX));
        p.AbsoluteX.Should().BeApproximately(w, 6e-4);
        var v = 1600 - p.Pushed(new PressureField(256, 0, 0, 0, 0)).Force;
        v.Should().BeApproximately(net, 0.6);
        (v / (p.Length * 0.5)).Should().BeApproximately(stress * 1e3, 0.5);
        ((v / p.Length) + (0.6 * 120 / p.AbsoluteX)).Should().BeApproximately(withMoment * 1e3 * 0.5, 0.5);
        (((IShearPerimeters)Code).PunchingResistance(ref none, C30, new PunchedSlab(0.5, 0.004)) * 2 * 0.5 / a)
            .Should().BeApproximately(strength * 1e3, 0.5);
    }

    // A column of 0.3 (across the edge) by 0.4 m flush with the edge, a 0.5 m.
    [Fact]
    public void An_open_perimeter_by_hand()
    {
        var p = new ShearPerimeter(0.5, (-0.85, 0, 0.15, 0.2), false, -1, 0, (-1, 1, -1, 1));
        p.Length.Should().BeApproximately(2.571, 5e-4);
        p.Inside.Area.Should().BeApproximately(1.013, 5e-4);
        (p.CentroidX + 1).Should().BeApproximately(0.5373, 5e-5);
        p.AbsoluteX.Should().BeApproximately(0.5796, 5e-5);
        p.AbsoluteY.Should().BeApproximately(1.274, 5e-4);
    }

    // 2.4 m square, 0.55 m thick, column 0.4 m square, N 1600 kN, 12 H16 both ways, bars along x lowest, cover 50 mm.
    [Theory]
    [InlineData("flexure-bottom-x", 333.3, 504.7)]
    [InlineData("flexure-bottom-y", 333.3, 487.9)]
    [InlineData("one-way-shear-x", 338.7, 474.4)]
    [InlineData("one-way-shear-y", 349.3, 463.4)]
    [InlineData("column-bearing", 1600, 7600)]
    public void A_pad_by_hand(string check, double demand, double capacity)
    {
        var found = Given.Check(Pad(new SupportAction(1600, 0, 0, 0, 0, 0)), Pad6).Of(check);
        found.Outcome.Demand.Should().BeApproximately(demand, 0.05);
        found.Outcome.Capacity.Should().BeApproximately(capacity, 0.06);
    }

    [Fact]
    public void Punching_of_a_pad_by_hand()
    {
        var project = Pad(new SupportAction(1600, 0, 0, 0, 0, 0));
        var found = Given.Check(project, Pad6);
        found.Of("two-way-shear").Utilisation.Should().BeApproximately(0.6368, 5e-5);
        found.Of("two-way-shear").Note.Should().StartWith("closed perimeter, 0.84 d from the column");
        found.Of("minimum-steel-x").Outcome.Demand.Should().BeApproximately(1778e-6, 5e-7);
        found.Of("minimum-steel-x").Utilisation.Should().BeApproximately(0.7371, 2e-4);
        var trial = TrialOf(project, Pad6);
        var (_, at) = PerimeterShear.Worst(trial.Punched[0], PerimeterShear.Perimeters(trial.Punched[0], true), 0);
        at!.Value.Perimeter.Distance.Should().BeApproximately(0.409, 0.005);

        // With a moment of 120 kNm: β 1.056, u0 1.6 m; base and depth of the table above.
        var moment = TrialOf(Pad(new SupportAction(1600, 0, 0, 0, 120, 0)), Design(2.5, 2.5, 0.566, "17 H16", "17 H16"));
        var set = PerimeterShear.Perimeters(moment.Punched[0], true);
        set.Depth.Should().BeApproximately(0.5, 0.001);
        (1 + (0.6 * 120 / 1600 * set.Basic.U / set.Basic.ForY)).Should().BeApproximately(1.056, 5e-4);
        set.AtColumn.Should().BeApproximately(1.6, 1e-9);
        ((IShearPerimeters)Code).MostPunching(ref none, C30).Should().BeApproximately(4224, 0.5);
    }

    // 9.8.2.2 on the same pad: x, needed, there.
    [Theory]
    [InlineData(0.275, 0.160, 0.225, 381.9)]
    [InlineData(0.500, 0.2327, 0.450, 609.8)]
    [InlineData(1.000, 0.3217, 0.950, 843.1)]
    public void Anchorage_by_hand(double x, double needed, double there, double pull)
    {
        var trial = TrialOf(Pad(new SupportAction(1600, 0, 0, 0, 0, 0)), Pad6);
        var steps = new List<TraceStep>();
        var recorder = new Recorder(steps, new NoteSlot());
        var o = TieAnchorage.At(trial.Spans(true)[0], 0, 1, true, x, ref recorder);
        o.Demand.Should().BeApproximately(needed, 6e-5);
        o.Capacity.Should().BeApproximately(there, 1e-9);
        steps.Last(s => s.Symbol == "Fs").Value.Should().BeApproximately(pull, 0.06);
        Given.Check(Pad(new SupportAction(1600, 0, 0, 0, 0, 0)), Pad6).Of("anchorage-x").Utilisation.Should().BeApproximately(0.7111, 5e-5);
    }

    // Under 180 kNm: x 71.74 mm, σs 159.4 MPa, hc,ef 145 mm, sr,max 562.3 mm.
    [Fact]
    public void Cracks_by_hand()
    {
        var (width, least) = ((ICrackWidths)Code).CrackWidth(ref none, C30, 500e3,
            new CrackedSection(2.4, 0.55, 0.492, 12 * Math.PI * 64e-6, 0.016, 2.284 / 11, 0.050, 180));
        width.Should().BeApproximately(0.2689e-3, 5e-8);

        // 0.4·kh·fctm·(b·h/2)/fyk, kh = 1 − 0.35·250/500.
        least.Should().BeApproximately(0.4 * 0.825 * 2.8965 / 500 * 2.4 * 0.275, 1e-6);
    }

    // Pushed up within a perimeter where a part of the base has lifted: against small cells.
    [Fact]
    public void Pressure_within_perimeters_is_exact()
    {
        Gen.Select(Gen.Double[0.1, 0.9], Gen.Double[-0.5, 0.5], Gen.Double[-0.5, 0.5], Gen.Double[-400, 400], Gen.Double[-400, 400],
            Gen.Double[-150, 200], Gen.Int[0, 8]).Sample(
            (a, x, y, b, c, middle, open) =>
            {
                var round = a > 0.7;
                var p = new ShearPerimeter(a, (x, y, 0.2, round ? 0.2 : 0.3), round, (open / 3) - 1, (open % 3) - 1, (-2, 2, -2, 2));
                var field = new PressureField(middle, b, c, 0, 0);
                var found = p.Pushed(field);
                var (box, sum, mx, my, cells) = (p.Box, 0.0, 0.0, 0.0, 700);
                var (dx, dy) = ((box.X1 - box.X0) / cells, (box.Y1 - box.Y0) / cells);
                for (var i = 0; i < cells; i++)
                {
                    for (var j = 0; j < cells; j++)
                    {
                        var (px, py) = (box.X0 + ((i + 0.5) * dx), box.Y0 + ((j + 0.5) * dy));
                        if (!Lies(p, px, py))
                        {
                            continue;
                        }

                        var q = field.At(px, py) * dx * dy;
                        (sum, mx, my) = (sum + q, mx + (q * px), my + (q * py));
                    }
                }

                var scale = (Math.Abs(middle) + Math.Abs(b) + Math.Abs(c)) * dx * dy * cells * cells;
                return Math.Abs(found.Force - sum) <= 2e-4 * scale && Math.Abs(found.MomentX - mx) <= 4e-4 * scale
                    && Math.Abs(found.MomentY - my) <= 4e-4 * scale;
            },
            iter: 60);

        static bool Lies(in ShearPerimeter p, double x, double y)
        {
            var box = p.Box;
            var (sx, sy) = (x < box.X0 + box.Radius ? -1 : x > box.X1 - box.Radius ? 1 : 0,
                y < box.Y0 + box.Radius ? -1 : y > box.Y1 - box.Radius ? 1 : 0);
            if (sx == 0 || sy == 0 || !p.IsRound(sx, sy))
            {
                return true;
            }

            var (cx, cy) = (sx < 0 ? box.X0 + box.Radius : box.X1 - box.Radius, sy < 0 ? box.Y0 + box.Radius : box.Y1 - box.Radius);
            return ((x - cx) * (x - cx)) + ((y - cy) * (y - cy)) <= box.Radius * box.Radius;
        }
    }

    private static readonly Gen<(SupportAction Action, double Length, double Width, double Thickness, double X, double Y, double Side, int Bars)>
        Pads = Gen.Select(Gen.Double[-1, 1].Array[4], Gen.Double[1.2, 3.6], Gen.Double[1.2, 3.6], Gen.Double[0.35, 1.0], Gen.Double[-1, 1],
            Gen.Double[-1, 1], Gen.Double[0.25, 0.6], Gen.Int[8, 24]).Select((v, l, w, h, x, y, c, n) =>
            (new SupportAction(1200 + (700 * v[0]), 60 * v[1], 60 * v[2], 180 * v[3], 180 * v[1], 0), l, w, h,
                x * ((l - c) / 2), y * ((w - (0.7 * c)) / 2), c, n));

    internal static (Project Project, IsolatedDesign Design) Of(
        (SupportAction Action, double Length, double Width, double Thickness, double X, double Y, double Side, int Bars) c) =>
        (Pad(c.Action, Column(c.Side, 0.7 * c.Side), new HeldValues { OffsetX = -c.X, OffsetY = -c.Y }),
            Design(c.Length, c.Width, c.Thickness, $"{c.Bars} H16", $"{c.Bars} H16"));

    // The search for the worst distance against a fine scan of every form.
    [Fact]
    public void The_worst_perimeter_is_found()
    {
        var looked = 0;
        Pads.Sample(
            c =>
            {
                var (project, design) = Of(c);
                var trial = TrialOf(project, design);
                if (trial.Body.Contact(0).State == ContactState.NoEquilibrium)
                {
                    return true;
                }

                var s = trial.Punched[0];
                var set = PerimeterShear.Perimeters(s, true);
                var (outcome, at) = PerimeterShear.Worst(s, set, 0);
                if (at is null)
                {
                    return true;
                }

                Interlocked.Increment(ref looked);
                var fine = 0.0;
                foreach (var (first, count, low) in set.Runs)
                {
                    var (from, to) = (set.Grid[first], set.Grid[first + count - 1]);
                    for (var i = 0; i <= 1000; i++)
                    {
                        var a = low + ((to.Perimeter.Distance - low) * i / 1000);
                        if (a > 1e-6)
                        {
                            var p = set.At(from.Form, a, set.Counts(from));
                            fine = Math.Max(fine, PerimeterShear.Stress(s, p.Perimeter, set.Depth, 0).Stress / p.Strength);
                        }
                    }
                }

                // Of a hundredth of what is there a thousandth is nothing to design by.
                var scale = Math.Max(Math.Min(fine, Outcome.NoCapacity), 0.05);
                return outcome.Utilisation >= Math.Min(fine, Outcome.NoCapacity) - (1e-4 * scale)
                    && outcome.Utilisation <= fine + (1e-3 * scale);
            },
            iter: 1000);
        looked.Should().BeGreaterThan(500);
    }

    // What a search leaves out by the bound it need not look at.
    [Fact]
    public void The_bound_of_punching_is_never_below_it()
    {
        var bounded = 0;
        Pads.Sample(
            c =>
            {
                var (project, design) = Of(c with { X = 0, Y = 0 });
                var s = TrialOf(project, design).Punched[0];
                if (s.Body.Contact(0).State == ContactState.NoEquilibrium)
                {
                    return true;
                }

                var bound = PerimeterShear.UpperBound(s, default, 0);
                var used = PerimeterShear.Evaluate(s, default, 0, ref none).Utilisation;
                bounded += double.IsInfinity(bound) ? 0 : 1;
                return bound >= used * (1 - 1e-9) && (double.IsInfinity(bound) || bound < (1.3 * used) + 0.05);
            },
            iter: 500, threads: 1);
        bounded.Should().BeGreaterThan(100);
    }

    // Mirrored, a pad has the same utilisations.
    [Fact]
    public void Pads_that_are_mirrored_are_alike()
    {
        Pads.Sample(
            c =>
            {
                var (project, design) = Of(c);
                var found = Given.Check(project, design);
                var a = c.Action;
                var mirrored = Of(c with { X = -c.X, Action = new SupportAction(a.N, -a.Fx, a.Fy, a.Mx, -a.My, 0) });
                var other = Given.Check(mirrored.Project, mirrored.Design);
                foreach (var check in found.Checks.Where(f => f.Outcome.Done))
                {
                    other.Of(check.Id).Utilisation.Should().BeApproximately(check.Utilisation, 1e-6 * Math.Max(1, check.Utilisation), check.Id);
                }
            },
            iter: 60);
    }

    // As a column goes from beside the middle to the edge no utilisation jumps, but where bars cease to count in shear.
    [Fact]
    public void Nothing_jumps_as_a_column_moves_to_the_edge()
    {
        foreach (var (length, h, moment) in ((double, double, double)[])[(2.4, 0.55, 0), (1.6, 0.6, 60), (3.0, 0.5, -90)])
        {
            var last = double.NaN;
            for (var x = 0.002; x <= (length - 0.4) / 2; x += 0.001)
            {
                var trial = TrialOf(Pad(new SupportAction(700, 0, 0, 0, moment + (700 * x), 0), held: new HeldValues { OffsetX = -x }),
                    Design(length, length, h, "8 H12", "8 H12"));
                var s = trial.Punched[0];
                var used = PerimeterShear.Worst(s, PerimeterShear.Perimeters(s, true), 0).Outcome.Utilisation;
                if (!double.IsNaN(last))
                {
                    Math.Abs(used - last).Should().BeLessThan(0.02 * Math.Max(last, 0.2), $"{length}, {x}");
                }

                last = used;
            }
        }
    }

    // Anchorage against a fine scan of distances from the edge.
    [Fact]
    public void The_worst_anchorage_is_found()
    {
        Pads.Sample(
            c =>
            {
                var (project, design) = Of(c);
                var trial = TrialOf(project, design);
                if (trial.Body.Contact(0).State == ContactState.NoEquilibrium)
                {
                    return true;
                }

                foreach (var alongX in (bool[])[true, false])
                {
                    var s = trial.Spans(alongX)[0];
                    for (var side = -1; side <= 1; side += 2)
                    {
                        var (worst, _) = TieAnchorage.Worst(s, 0, side, true, Anchorage.Length(s, true, 1, ref none));
                        if (!worst.Done || worst.Plain || worst.Utilisation == 0)
                        {
                            continue;
                        }

                        var (first, to) = (TieAnchorage.First(s, side), s.Overhang(side));
                        var fine = Enumerable.Range(0, 301)
                            .Max(i => TieAnchorage.At(s, 0, side, true, first + ((to - first) * i / 300), ref none).Utilisation);
                        if (worst.Utilisation < fine * (1 - 1e-3))
                        {
                            return false;
                        }
                    }
                }

                return true;
            },
            iter: 300);
    }
}
