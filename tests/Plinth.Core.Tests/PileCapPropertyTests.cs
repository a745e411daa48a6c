using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.PileCap;
using Plinth.Core.Loads;
using Plinth.Core.Piles;
using Plinth.Core.Sizing;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// Caps on piles over random layouts, columns and loads: equilibrium, symmetry, piles out of place by brute force, reuse, the search
/// against all designs.
/// </summary>
public class PileCapPropertyTests
{
    private static readonly LoadCase[] Cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true)];

    internal sealed record CapCase(string Layout, double Pitch, int Turns, double Thickness, bool Two, bool Fixed, double[] V)
    {
        /// <summary>Of three piles: a triangle with its corners cut.</summary>
        public bool Hexagon { get; init; }
    }

    internal static readonly Gen<CapCase> Some = Gen.Select(Gen.Int[2, 13], Gen.Int[0, 6], Gen.Int[0, 3], Gen.Int[0, 6], Gen.Bool, Gen.Bool,
        Gen.Double[-1, 1].Array[12]).Select((l, p, t, h, two, isFixed, v) =>
        new CapCase(PileLayout.Names.ElementAt(l), 1.2 + (0.1 * p), t, 0.45 + (0.1 * h), two, isFixed, v));

    internal static readonly Gen<CapCase> Hexagons = Some.Select(g => g with { Layout = "3", Two = false, Hexagon = true });

    internal static (Project Project, CapDesign Design) Make(CapCase g)
    {
        var v = g.V;
        var rules = Rules with
        {
            Ground = DefaultGround with
            {
                FoundingDepth = 1.8,
                WaterDepth = v[0] > 0 ? 1.1 : null,
                SaturatedWeight = 20,
                WaterWeight = 9.81,
                Surcharge = v[1] > 0.5 ? 5 : 0
            },
            Piles = new PileRules
            {
                Size = 0.4,
                Compression = 600,
                Tension = 150,
                Lateral = 60,
                Strength = 30e3,
                ModulusRise = 5000,
                Length = 14,
                Bars = Bars("8 T20"),
                FixedHead = g.Fixed,
                Shape = v[2] > 0 ? PileShape.Round : PileShape.Square,
                Efficiency = v[3] > 0 ? null : 0.9
            },
        };
        Support[] supports = [.. (g.Two
            ? (double[])[-0.7, 0.7]
            : [0]).Select((x, i) => new Support($"C{i + 1}", x, 0, null, ColumnShape.Rectangular, 0.5, 0.4 + (0.1 * i), 0, 0, 0, "", ""))];
        SupportAction[] Actions(int i) =>
        [
            new(900 + (400 * v[4 + i]), 8 * v[5], 6 * v[6], 30 * v[7], 30 * v[8], 4 * v[9]),
            new(350 + (200 * v[9]), 3 * v[6], 3 * v[7], 10 * v[8], 10 * v[9], 0),
            new(-1300 * v[10], 50 * v[6], 40 * v[7], 70 * v[8], 60 * v[11], 10 * v[5]),
        ];
        var project = Project(Cases, Actions(0), CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, Cases, new LoadOptions(), []),
            rules);
        project = project with
        {
            Supports = supports,
            Actions = supports.Select((s, i) => (s.Label, Of: Actions(i))).ToDictionary(p => p.Label, p => p.Of),
            Foundations = [new Foundation("PC1", [new Place(supports, 0, rules.Ground)], false, HeldValues.Nothing,
                rules) { Kind = PileCapTests.Kind }],
        };
        var design = PileCapTests.Design(g.Layout, g.Pitch, 1, 1, g.Thickness, "14 T20", supports.Length, "12 T16") with
        {
            Turns = g.Turns,
            Offset = new PlanPoint(0.05 * v[1], 0.1 * v[0])
        };
        var (low, high) = (design.Piles.Min(p => p.X), design.Piles.Max(p => p.X));
        var (bottom, top) = (design.Piles.Min(p => p.Y), design.Piles.Max(p => p.Y));
        if (g.Hexagon)
        {
            return (project, (design with { ToEdge = 0.45 }).Shaped());
        }

        return (project, design with { Size = new BaseSize(Math.Max(high - low + 0.8, g.Two ? 2.4 : 0), top - bottom + 0.8, g.Thickness) });
    }

    internal static CapTrial Trial(CapCase g)
    {
        var (project, design) = Make(g);
        return PileCapTests.Trial(project, design);
    }

    [Fact]
    public void Piles_hold_what_presses_and_sections_agree_from_both_sides() => Gen.OneOf(Some, Some, Hexagons).Sample(
        g =>
        {
            var t = Trial(g);
            for (var k = 0; k < t.Combinations.Length; k++)
            {
                if (t.Body.Contact(k).State == ContactState.NoEquilibrium)
                {
                    continue;
                }

                var l = t.Body.Loads(k);
                var scale = 1e-9 * (Math.Abs(l.N) + Math.Abs(l.Mx) + Math.Abs(l.My) + 100);
                var forces = Enumerable.Range(0, t.Piles.Length).Select(i => t.Group.Force(k, i)).ToArray();
                forces.Sum().Should().BeApproximately(l.N, scale);
                var (headX, headY) = (t.Group.HeadArm * l.Fx, t.Group.HeadArm * l.Fy);
                forces.Select((r, i) => r * t.Piles[i].X).Sum().Should().BeApproximately(l.My + headX, 10 * scale);
                forces.Select((r, i) => r * t.Piles[i].Y).Sum().Should().BeApproximately(-l.Mx + headY, 10 * scale);
                if (g.Fixed)
                {
                    continue;
                }

                // A section off every column sees the same from either side; the column's soil displaced stands with it.
                foreach (var alongX in (bool[])[true, false])
                {
                    foreach (var share in (double[])[-0.31, -0.13, 0.17, 0.36])
                    {
                        var at = share * (alongX ? t.Body.Length : t.Body.Width);
                        if (t.Columns.ToArray().Any(c => Math.Abs((alongX ? c.X : c.Y) - at) < 1e-6))
                        {
                            // The load of a column above a section is on neither side of it.
                            continue;
                        }

                        var (a, b) = (CapSections.At(t, k, alongX, 1, at), CapSections.At(t, k, alongX, -1, at));
                        (a.UpShear - a.DownShear + b.UpShear - b.DownShear).Should().BeApproximately(0, 20 * scale);
                        (a.UpMoment - a.DownMoment).Should().BeApproximately(b.UpMoment - b.DownMoment, 20 * scale);
                    }
                }
            }
        },
        iter: 150);

    [Fact]
    public void Piles_out_of_place_are_the_worst_of_every_direction() => Some.Sample(
        g =>
        {
            var t = Trial(g with { Fixed = false });
            var (k, rank) = (t.Combinations.Length - 1, t.Group.Group.Rank);
            if (rank < 2)
            {
                return;
            }

            var (l, delta, group) = (t.Group.Loads(k), t.Group.Deviation, t.Group.Group);
            var most = new double[t.Piles.Length];
            var (moment, shear) = (0.0, 0.0);
            var section = CapSections.At(t, k, true, 1, 0.2);
            for (var i = 0; i < 3600; i++)
            {
                var (x, y) = (l.N * delta * Math.Cos(i * Math.PI / 1800), l.N * delta * Math.Sin(i * Math.PI / 1800));
                var (m, v) = (0.0, 0.0);
                for (var j = 0; j < most.Length; j++)
                {
                    var more = group.Force(j, 0, x, y);
                    most[j] = Math.Max(most[j], more);
                    var beyond = t.Piles[j].X - 0.2;
                    (m, v) = (m + (Math.Max(0, beyond) * more), v + (t.Group.ShareOutside(beyond) * more));
                }

                (moment, shear) = (Math.Max(moment, m), Math.Max(shear, v));
            }

            var slack = 2e-6 * Math.Abs(l.N);
            for (var j = 0; j < most.Length; j++)
            {
                t.Group.Spread(k, j).Should().BeApproximately(most[j], slack);
            }

            section.SpreadMoment.Should().BeApproximately(moment, 3 * slack);
            section.SpreadShear.Should().BeApproximately(shear, 3 * slack);
        },
        iter: 60);

    [Fact]
    public void A_pile_that_crosses_a_section_changes_its_shear_without_a_jump()
    {
        var t = Trial(new CapCase("4", 1.2, 0, 0.6, false, false, new double[12]));
        var before = double.NaN;
        for (var at = 0.3; at < 0.9; at += 0.001)
        {
            var f = CapSections.At(t, 0, true, 1, at);
            var shear = f.UpShear - f.DownShear;
            if (!double.IsNaN(before))
            {
                // Two piles of some 300 kN within 0.4 m.
                Math.Abs(shear - before).Should().BeLessThan(0.001 * 2 * 420 / 0.4);
            }

            before = shear;
        }
    }

    [Fact]
    public void Turned_and_mirrored_caps_are_used_alike() => Gen.OneOf(Some, Hexagons).Sample(
        g =>
        {
            var (project, design) = Make(g with { Two = false });
            SupportAction[] own = [.. project.Actions["C1"]];
            Project With(IEnumerable<SupportAction> actions, LowerLayer lower, Support? column = null)
            {
                var rules = project.Foundations[0].Rules with { Steel = DefaultSteel with { LowerLayer = lower } };
                var support = column ?? project.Supports[0];
                return project with
                {
                    Supports = [support],
                    Actions = new Dictionary<string, SupportAction[]> { ["C1"] = [.. actions] },
                    Foundations = [project.Foundations[0] with { Rules = rules, Places = [new Place(support, 0, rules.Ground)] }],
                };
            }

            Dictionary<string, double> Used(Project p, CapDesign d) =>
                Given.Check(p, d).Checks.GroupBy(c => c.Id).ToDictionary(c => c.Key, c => c.Max(r => r.Utilisation));
            var c1 = project.Supports[0];
            var asDrawn = Used(With(own, LowerLayer.X), design);

            // By a quarter turn: x becomes y, y becomes −x.
            var turned = Used(
                With(own.Select(a => new SupportAction(a.N, -a.Fy, a.Fx, -a.My, a.Mx, a.Mz)), LowerLayer.Y,
                    c1 with { SizeX = c1.SizeY, SizeY = c1.SizeX }),
                (design with
                {
                    Turns = (design.Turns + 1) % 4,
                    Size = new BaseSize(design.Size.Width, design.Size.Length, design.Size.Thickness),
                    Offset = new PlanPoint(-design.Offset.Y, design.Offset.X)
                }).Shaped());
            // As it lies mirrored at a place: x becomes −x, and moments about y and z turn.
            var mirrored = With(own.Select(a => new SupportAction(a.N, -a.Fx, a.Fy, a.Mx, -a.My, -a.Mz)), LowerLayer.X);
            mirrored =
                mirrored with
                {
                    Foundations = [
                    mirrored.Foundations[0] with { Places = [mirrored.Foundations[0].Places[0].Lying(new Lie(0, true))] }]
                };
            foreach (var (id, used) in Used(mirrored, design))
            {
                used.Should().BeApproximately(asDrawn[id], 1e-7 * Math.Max(1, used), id + " mirrored");
            }

            foreach (var (id, used) in asDrawn)
            {
                var other = id.EndsWith("-x", StringComparison.Ordinal) ? id[..^1] + "y"
                    : id.EndsWith("-y", StringComparison.Ordinal) ? id[..^1] + "x"
                    : id;
                turned[other].Should().BeApproximately(used, 1e-7 * Math.Max(1, used), id);
            }
        },
        iter: 60);

    [Fact]
    public void A_reused_trial_says_what_a_fresh_one_says() =>
        Gen.Select(Gen.OneOf(Some, Hexagons), Gen.Int[2, 13].Array[5], Gen.Int[0, 6].Array[5]).Sample(
        (g, layouts, thicknesses) =>
        {
            var (project, design) = Make(g);
            var reused = new Checker(project, project.Foundations[0]);
            for (var i = 0; i < layouts.Length; i++)
            {
                var d =
                    Make(g with
                    {
                        Layout = PileLayout.Names.ElementAt(layouts[i]),
                        Hexagon = g.Hexagon && layouts[i] == 2,
                        Thickness = 0.45 + (0.1 * thicknesses[i])
                    }).Design;
                reused.Set(d);
                var fresh = new Checker(project, project.Foundations[0]);
                fresh.Set(d);
                foreach (var check in reused.List.Listed)
                {
                    var limit = i % 2 == 0 ? 1.0 : 0.6;
                    var (exceeds, worst) = (check.Exceeds(reused.Trials[0], limit), check.Worst(fresh.Trials[0]));
                    exceeds.Should().Be(worst is { Outcome: { Shown: false } o } && (o.FailsAnyhow || o.Utilisation > limit + 1e-9),
                        $"{check.Id}, layout {d.Layout}");
                    (check.Worst(reused.Trials[0])?.Outcome.Utilisation).Should().Be(worst?.Outcome.Utilisation, check.Id);
                }
            }
        },
        iter: 25);

    [Fact]
    public void No_allowed_cap_has_fewer_piles_or_as_many_with_less_concrete() =>
        Gen.Select(Gen.Double[300, 2600], Gen.Double[-60, 60], Gen.Double[-60, 60], Gen.Int[0, 1]).Sample(
            (n, mx, my, code) => IsLeast(n, mx, my, code == 0 ? "aci318m-14" : "aci318m-19"),
            iter: 100,
            threads: 1);

    // Of the bars across its narrow part one number passes, and those next to it do not.
    [Fact]
    public void A_hexagon_is_found_where_more_bars_are_no_better() => IsLeast(1333.487767818304, -1, 31.65575043926896, "aci318m-19");

    private static void IsLeast(double n, double mx, double my, string code)
    {
        var rules = PileCapTests.Weightless(0.075,
            new PileRules { Size = 0.4, Compression = 520, Tension = 100, Lateral = 60, Layouts = ["3", "4", "5", "6"] }) with
        {
            Sizing = DefaultSizing with { LeastThickness = 0.4, MostThickness = 0.9, ThicknessStep = 0.1, PlanStep = 0.3 },
            Steel = DefaultSteel with { Bars = Sizes("T16", "T25"), BothWaysAlike = AlikeBars.Never },
        };
        rules = rules with { Ground = rules.Ground with { FoundingDepth = 1 } };
        var project = PileCapTests.Project(rules, code, (0, 0.5, 0.4, new(n, 0, 0, mx, my, 0)));
        var found = (CapDesign?)FoundationSizer.Of(project, project.Foundations[0]).Size().Design;
        var best = Best(project, rules);
        (found?.Piles.Length, Volume(found)).Should().Be((best?.Piles.Length, Volume(best)),
            $"N {n:0} Mx {mx:0} My {my:0}: found {found}, there is {best}");

        static double? Volume(CapDesign? d) => d is null ? null : Math.Round(d.Area * d.Size.Thickness, 6);
    }

    // Every layout, turn, pitch, thickness, and bars of every size and number each way.
    private static CapDesign? Best(Project project, RuleSet rules)
    {
        var checker = new Checker(project, project.Foundations[0]);
        var t = (CapTrial)checker.Trials[0];
        var plans = from layout in rules.Piles.Layouts
                    from turns in (int[])[0, 1]
                    from pitch in (double[])[1.2, 1.5, 1.8]
                    from h in (double[])[0.4, 0.5, 0.6, 0.7, 0.8, 0.9]
                    from hexagon in layout == "3" ? (bool[])[true, false] : [false]
                    let d = PileCapTests.Design(layout, pitch, 1, 1, h, "12 T16") with { Turns = turns }
                    let size = CapPlan.Sides(d.Piles.AsSpan(), rules.Piles.ToEdge, 0.3)
                    let sized = hexagon ? (d with { ToEdge = 0.45 }).Shaped() : d with { Size = new BaseSize(size.Length, size.Width, h) }
                    orderby d.Piles.Length, Math.Round(sized.Area * h, 6)
                    select sized;
        foreach (var d in plans)
        {
            checker.Set(d);
            if (project.Foundations[0].Kind.DoubtfullyRigid(t) is null && Holds(c => c.Decides.What == Decisions.Plan) && Bars(d))
            {
                return d;
            }
        }

        return null;

        bool Holds(Func<Checks.Check, bool> which) => checker.List.Listed.Where(which).All(c => !c.Exceeds(t, 1));

        // What the bars of one way decide knows those of the other by their size alone.
        bool Bars(CapDesign d)
        {
            foreach (var (x, y) in from x in rules.Steel.Bars from y in rules.Steel.Bars select (x, y))
            {
                if (One(true, n => new Reinforcement(n, new BarLayer(4, y), BarLayer.None, BarLayer.None), x,
                    d.MatBreadth(true)) is { } along
                    && One(false, n => new Reinforcement(along, n, BarLayer.None, BarLayer.None), y, d.MatBreadth(false)) is { } across)
                {
                    t.Take(new Reinforcement(along, across, BarLayer.None, BarLayer.None));
                    if (Holds(c => c.Decides.IsOfSection))
                    {
                        return true;
                    }
                }
            }

            return false;
        }

        BarLayer? One(bool alongX, Func<BarLayer, Reinforcement> with, BarSize size, double breadth)
        {
            for (var n = 2; n <= 1 + ((breadth - 0.15) / 0.1); n++)
            {
                foreach (var hooked in (bool[])[false, true])
                {
                    var layer = new BarLayer(n, size) { Hooked = hooked };
                    t.Take(with(layer));
                    if (Holds(c => c.Decides.IsOfSection && c.Decides.AlongX == alongX))
                    {
                        return layer;
                    }
                }
            }

            return null;
        }
    }
}
