using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Grids;
using Plinth.Core.Ground;
using Plinth.Core.Kinds.Strip;
using Plinth.Core.Loads;
using Plinth.Core.Sizing;
using Plinth.Core.Units;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>Grids of strips: what their rows share, that they balance, and that they are sized together.</summary>
public class GridTests
{
    private static readonly StripKind Strip = new();
    private static readonly GroundRules Soil = DefaultGround with { SubgradeModulus = 25e3, FoundingDepth = 1.2 };

    /// <summary>Columns at the lines of a grid, a row of strips on each line.</summary>
    internal sealed record Lines(double[] X, double[] Y, double[] N, double[] H, double Width, double Other, double Thickness, double Turned)
    {
        public int Count => X.Length * Y.Length;

        public string Label(int i, int j) => $"{(char)('A' + j)}{i + 1}";
    }

    internal static readonly Gen<Lines> Some = Gen.Select(Gen.Double[3, 5].Array[1, 2], Gen.Double[3, 5].Array[1, 2], Gen.Double[120, 600].Array[9],
        Gen.Double[-40, 40].Array[18], Gen.Double[0.9, 1.5], Gen.Double[0.9, 1.5], Gen.Double[0.5, 0.8],
        (x, y, n, h, w, o, t) => new Lines([0, .. Sums(x)], [0, .. Sums(y)], n, h, w, o, t, 0));

    private static IEnumerable<double> Sums(double[] gaps) => gaps.Select((_, i) => gaps.Take(i + 1).Sum());

    private static Project Made(Lines g, bool columnsFirst = false, SizingRules? sizing = null, HeldValues? held = null, GroundRules? ground = null)
    {
        var soil = ground ?? Soil;
        var (sin, cos) = SupportAction.SinCosDegrees(g.Turned);
        var supports = new Dictionary<(int, int), Support>();
        var actions = new Dictionary<string, SupportAction[]>();
        for (var j = 0; j < g.Y.Length; j++)
        {
            for (var i = 0; i < g.X.Length; i++)
            {
                var (label, at) = (g.Label(i, j), (3 * j) + i);
                supports[(i, j)] = Column(angle: g.Turned) with
                {
                    Label = label,
                    X = (g.X[i] * cos) - (g.Y[j] * sin),
                    Y = (g.X[i] * sin) + (g.Y[j] * cos),
                };
                var wind = new SupportAction(2 * g.H[at + 9], g.H[at], g.H[17 - at] / 2, g.H[at + 4], g.H[at + 2], 0);
                var dead = new SupportAction(g.N[at], 0, 0, g.H[at] / 4, g.H[at + 1] / 4, 0);
                actions[label] = [dead.InAxesTurnedBy(-g.Turned), wind.InAxesTurnedBy(-g.Turned)];
            }
        }

        var along = Enumerable.Range(0, g.Y.Length).Select(j => Enumerable.Range(0, g.X.Length).Select(i => supports[(i, j)]).ToList()).ToList();
        var across = Enumerable.Range(0, g.X.Length).Select(i => Enumerable.Range(0, g.Y.Length).Select(j => supports[(i, j)]).ToList()).ToList();
        List<Place> places = [.. (columnsFirst ? across.Concat(along) : along.Concat(across))
            .Select(r => new Place(r, Math.Round(Math.Atan2(r[^1].Y - r[0].Y, r[^1].X - r[0].X) * 180 / Math.PI, 9), soil))];
        var (rows, fault) = GridPlan.Of("ST1", places, UnitSystem.Metric);
        fault.Should().BeNull();
        var rules = Rules with { Ground = soil, Sizing = sizing ?? Rules.Sizing };
        var combinations = new CombinationSet(
            [
                Combination("A", Family.All, 1, (0, 1)), Combination("B", Family.All, 1.2, (0, 1.2), (1, 1)),
                Combination("C", Family.All, 0.9, (0, 0.9), (1, -1)), Combination("E", Family.All, 0.6, (0, 0.3), (1, 4)),
            ], []);
        return new Project(new ProjectTitle("Test", "", "", "", "", "", ""), UnitSystem.Metric, ConcreteCodes.Find("aci318m-19")!,
            LoadStandards.Find("own")!, [new LoadCase("DEAD", LoadSymbol.D), new LoadCase("WIND", LoadSymbol.W)], combinations,
            [.. supports.Values], actions,
            [.. rows!.Select((r, i) => Strip.InGrid(new Foundation(GridRow.MarkOf("ST1", i), [places[i]], false, held ?? HeldValues.Nothing, rules)
                { Kind = Strip, Row = r }))]);
    }

    private static FoundationDesign Design(Foundation row, double width, double thickness, double ends = 0.5)
    {
        string[] labels = [.. row.Places[0].Supports.Select(s => s.Label)];
        var blank = StripDesign.Blank(labels) with
        {
            Size = new BaseSize(0, width, thickness),
            HighWidth = width,
            BottomX = Bars("6 T20"),
            TopX = Bars("6 T20"),
            TopY = Bars("T16 @ 200 mm"),
            Rest = Bars("T16 @ 200 mm"),
        };
        return Strip.Fitted(row, (blank with { At = [.. blank.At.Select(a => a with { Band = Bars("5 T16") })] }).With(ends, ends));
    }

    internal static (Project Project, IReadOnlyList<Foundation> Rows, FoundationDesign[] Designs) Coupled(Lines g, bool columnsFirst = false,
        double factor = 1, Func<Project, Project>? with = null, GroundRules? ground = null)
    {
        var project = Made(g, columnsFirst, ground: ground);
        project = with?.Invoke(project) ?? project;
        FoundationDesign[] designs = [.. project.Foundations.Select(f => Design(f, f.Row!.Across != columnsFirst ? g.Other : g.Width, g.Thickness))];
        return (project, GridCoupling.Couple(project, project.Foundations, designs, factor), designs);
    }

    private static List<Trial> Trials((Project Project, IReadOnlyList<Foundation> Rows, FoundationDesign[] Designs) g) =>
        [.. g.Rows.Select((f, r) =>
        {
            var checker = new Checker(g.Project, f);
            checker.Set(g.Designs[r]);
            return checker.Trials[0];
        })];

    [Fact]
    public void Rows_that_cross_sink_alike_carry_the_whole_column_and_balance()
    {
        var (partly, apart) = (0, 0);
        Some.Sample(
            g =>
            {
                var made = Coupled(g);
                var trials = Trials(made);
                for (var k = 0; k < trials[0].Combinations.Length; k++)
                {
                    if (trials.Exists(t => t.Body.Contact(k).State == ContactState.NoEquilibrium))
                    {
                        Interlocked.Increment(ref apart);
                        continue;
                    }

                    var lifts = trials.Exists(t => t.Body.Contact(k).State == ContactState.Partial);
                    Interlocked.Add(ref partly, lifts ? 1 : 0);
                    var most = trials.Max(t => t.Columns.ToArray().Max(c => Math.Abs(t.Body.Bed!.Beam(k).Settlement(c.X))));
                    var (held, pressed) = (0.0, 0.0);
                    for (var r = 0; r < trials.Count; r++)
                    {
                        held += trials[r].Body.Pushed(k).Force;
                        foreach (var c in made.Rows[r].Row!.Crossings)
                        {
                            var (own, other) = (trials[r].Columns[c.Column], trials[c.Other].Columns[c.OtherColumn]);
                            var whole = own.Brings(k);
                            (own.Action(k).N + other.Action(k).N).Should().BeApproximately(whole.N, 1e-9 * (1 + Math.Abs(whole.N)));
                            own.Brings(k).N.Should().BeApproximately(other.Brings(k).N, 1e-12);

                            // Where parts lift off no closer than the springs themselves are found.
                            trials[r].Body.Bed!.Beam(k).Settlement(own.X).Should().BeApproximately(
                                trials[c.Other].Body.Bed!.Beam(k).Settlement(other.X), 2e-9 + (lifts ? 3e-5 : 2e-7) * most);

                            // What pushes along a row and bends it along is its own: both together are all of it.
                            (own.Action(k).Fx, own.Action(k).Fy, own.Action(k).Mx).Should().Be((whole.Fx, 0, 0));
                            own.Action(k).My.Should().Be(whole.My);
                        }
                    }

                    // The union of the rows weighs once: 24 kN/m³ of concrete, 18 of soil but where columns stand.
                    var (area, factor) = (Union(g), trials[0].Combinations[k].WeightFactor);
                    pressed = factor * ((area * ((24 * g.Thickness) + (18 * (1.2 - g.Thickness)))) - (g.Count * 0.16 * 18 * (1.2 - g.Thickness)));
                    foreach (var s in made.Project.Supports)
                    {
                        pressed += made.Project.Combinations.Used[k].Terms.Sum(t => t.Factor * made.Project.Actions[s.Label][t.Case].N);
                    }

                    held.Should().BeApproximately(pressed, 1e-6 * (1 + Math.Abs(pressed)));
                }
            },
            iter: 60);
        partly.Should().BePositive("some rows lift off in part");
        apart.Should().BeLessThan(120, "most combinations are held");
    }

    // Bands of both directions, of ends 0.5 m beyond the columns, less what both cover.
    private static double Union(Lines g)
    {
        var (x, y) = (g.X[^1] + 1, g.Y[^1] + 1);
        double Covered(double[] at, double ends, double wide) => at.Sum(v => Math.Min(at[^1] + ends, v + (wide / 2)) - Math.Max(-ends, v - (wide / 2)));
        return (g.Y.Length * x * g.Width) + (g.X.Length * y * g.Other) - (Covered(g.X, 0.5, g.Other) * Covered(g.Y, 0.5, g.Width));
    }

    [Fact]
    public void Water_lifts_the_union_of_the_rows_once() => Gen.Select(Some, Gen.Double[0.2, 1.1]).Sample(
        (g, depth) =>
        {
            var made = Coupled(g, ground: Soil with { WaterDepth = depth, SaturatedWeight = 20 });
            var trials = Trials(made);
            var (over, area) = (1.2 - g.Thickness, Union(g));
            for (var k = 0; k < trials[0].Combinations.Length; k++)
            {
                if (trials.Exists(t => t.Body.Contact(k).State == ContactState.NoEquilibrium))
                {
                    continue;
                }

                var wet = trials[0].Place.Waters[k] == WaterState.High;
                var soil = wet ? (18 * Math.Min(over, depth)) + (20 * Math.Max(0, over - depth)) : 18 * over;
                var c = trials[0].Combinations[k];
                var pressed = (c.WeightFactor * ((area * ((24 * g.Thickness) + soil)) - (g.Count * 0.16 * soil)))
                    - (wet ? 9.81 * Math.Max(0, 1.2 - depth) * area : 0)
                    + made.Project.Supports.Sum(s => c.Terms.Sum(t => t.Factor * made.Project.Actions[s.Label][t.Case].N));
                trials.Sum(t => t.Body.Pushed(k).Force).Should().BeApproximately(pressed, 1e-6 * (1 + Math.Abs(pressed)), c.Name);
            }
        },
        iter: 30);

    // Spread over a column's breadth at a crossing a load acts as if the column brought it: both rows share it, wherever it is written.
    [Fact]
    public void A_load_on_a_row_where_a_column_stands_is_shared_as_that_column_is() => Gen.Select(Some, Gen.Double[50, 200]).Sample(
        (g, more) =>
        {
            var brought = Coupled(g, with: p => p with
            {
                Actions = p.Actions.ToDictionary(a => a.Key,
                    a => a.Key == g.Label(0, 0) ? [a.Value[0] with { N = a.Value[0].N + more }, a.Value[1]] : a.Value),
            });
            var beside = Coupled(g, with: p => p with
            {
                Foundations =
                [
                    p.Foundations[0] with { Loads = [new PlanLoad(0, PlanLoadShape.Line, more / 0.4, (-g.X[^1] / 2) - 0.2, 0, (-g.X[^1] / 2) + 0.2, 0)] },
                    .. p.Foundations.Skip(1),
                ],
            });
            var (one, other) = (Trials(brought), Trials(beside));
            for (var k = 0; k < one[0].Combinations.Length; k++)
            {
                if (one.Exists(t => t.Body.Contact(k).State != ContactState.Full) || other.Exists(t => t.Body.Contact(k).State != ContactState.Full))
                {
                    continue;
                }

                for (var r = 0; r < one.Count; r++)
                {
                    foreach (var c in one[r].Columns)
                    {
                        other[r].Body.Bed!.Beam(k).Settlement(c.X).Should().BeApproximately(one[r].Body.Bed!.Beam(k).Settlement(c.X), 1e-8);
                    }

                    var factor = one[r].Combinations[k].Terms.Single(t => t.Case == 0).Factor;
                    other[r].Columns[0].Action(k).N.Should().BeApproximately(one[r].Columns[0].Action(k).N
                        - (r == 0 ? factor * more : 0), 1e-3 + (1e-5 * more), "row 0 has the load beside its share of the column");
                }

                other.Sum(t => t.Body.Pushed(k).Force).Should().BeApproximately(one.Sum(t => t.Body.Pushed(k).Force), 1e-3);
            }
        },
        iter: 30);

    // Anywhere on rows they press the ground once, and every row closes at its end; what room multiplies them by presses as much more.
    [Fact]
    public void Loads_beside_columns_of_rows_press_once_and_close() => Gen.Select(Some, Gen.Double[20, 90], Gen.Double[5, 30], Gen.Double[0.1, 0.9]).Sample(
        (g, point, line, at) =>
        {
            (Project Project, IReadOnlyList<Foundation> Rows, FoundationDesign[] Designs) With(double factor, bool loads) => Coupled(g, factor: factor, with: p => !loads ? p : p with
            {
                Foundations =
                [
                    .. p.Foundations.Select((f, r) => r == 0
                        ? f with { Loads = [new PlanLoad(0, PlanLoadShape.Point, point, (at - 0.5) * g.X[^1], 0.1, (at - 0.5) * g.X[^1], 0.1)] }
                        : r == p.Foundations.Count - 1
                        ? f with { Loads = [new PlanLoad(1, PlanLoadShape.Line, line, -g.Y[^1] / 2, 0, g.Y[^1] / 2, 0)] } : f),
                ],
            });
            var (without, made) = (Trials(With(1, false)), With(1, true));
            var trials = Trials(made);
            for (var k = 0; k < trials[0].Combinations.Length; k++)
            {
                if (trials.Exists(t => t.Body.Contact(k).State == ContactState.NoEquilibrium)
                    || without.Exists(t => t.Body.Contact(k).State == ContactState.NoEquilibrium))
                {
                    continue;
                }

                double Factor(int of) => trials[0].Combinations[k].Terms.Where(t => t.Case == of).Sum(t => t.Factor);
                var more = (Factor(0) * point) + (Factor(1) * line * g.Y[^1]);
                trials.Sum(t => t.Body.Pushed(k).Force).Should()
                    .BeApproximately(without.Sum(t => t.Body.Pushed(k).Force) + more, 1e-6 * (1 + trials.Sum(t => t.Body.Pushed(k).Force)));
            }

            foreach (var t in trials)
            {
                foreach (var d in Enumerable.Range(0, 2).Select(t.Along).OfType<Figures.SpanDiagram>())
                {
                    var all = d.Body.Where(f => f.Force > 0).Sum(f => f.Force);
                    d.Body.Sum(f => f.Force).Should().BeApproximately(0, 1e-6 * all);
                    d.Points[^1].Shear.Should().BeApproximately(0, 1e-6 * all);
                    d.Points[^1].Moment.Should().BeApproximately(0, 1e-5 * all);
                }
            }
        },
        iter: 30);

    [Fact]
    public void Live_load_on_some_columns_alone_is_that_of_all_rows()
    {
        var made = Coupled(new Lines([0, 4, 8], [0, 4], [.. Enumerable.Repeat(300.0, 9)], new double[18], 1.2, 1.2, 0.6, 0),
            with: p => p with { PartialLive = true, Cases = [p.Cases[0], new LoadCase("LIVE", LoadSymbol.L)] });
        var trials = Trials(made);
        string[] Names(Trial t) => [.. t.Combinations.Select(c => c.Name)];
        Names(trials[0]).Should().Contain("B:L@B3").And.Contain("B:noL@A1");
        foreach (var t in trials)
        {
            Names(t).Should().Equal(Names(trials[0]), "also of columns that stand on other rows");
        }
    }

    [Fact]
    public void Shear_and_moment_of_every_row_close_at_its_end() => Some.Sample(
        g =>
        {
            foreach (var t in Trials(Coupled(g)))
            {
                foreach (var d in Enumerable.Range(0, 2).Select(t.Along).OfType<Figures.SpanDiagram>())
                {
                    var all = d.Body.Where(f => f.Force > 0).Sum(f => f.Force);
                    d.Body.Sum(f => f.Force).Should().BeApproximately(0, 1e-6 * all);
                    d.Body.Sum(f => f.Moment).Should().BeApproximately(0, 1e-6 * all * t.Body.Length);
                    d.Points[^1].Shear.Should().BeApproximately(0, 1e-6 * all);
                    d.Points[^1].Moment.Should().BeApproximately(0, 1e-5 * all);
                }
            }
        },
        iter: 40);

    [Fact]
    public void Four_equal_arms_of_a_square_share_alike()
    {
        var g = new Lines([0, 4, 8], [0, 4, 8], [.. Enumerable.Repeat(400.0, 9)], new double[18], 1.2, 1.2, 0.6, 0);
        var rows = Coupled(g).Rows;
        CrossingShare At(int row, int column) => rows[row].Row!.ShareOf(rows[row].Row!.At(column)!)!;
        At(1, 1).Share.Should().BeApproximately(0.5, 1e-6, "the middle column is alike for both rows");
        At(0, 0).Share.Should().BeApproximately(0.5, 1e-6, "so is a corner");
        At(0, 1).Share.Should().BeApproximately(1 - At(4, 0).Share, 1e-9);
        At(0, 1).Share.Should().BeGreaterThan(0.6, "a row is stiffer under a column in its middle than another under its end");
        At(0, 0).Area.Should().BeApproximately(1.1 * 1.1, 1e-12);
        At(0, 1).Area.Should().BeApproximately(1.2 * 1.1, 1e-12);
        (At(1, 1).Area, At(1, 1).Kept).Should().Be((1.2 * 1.2, 0.5));
    }

    [Fact]
    public void Turned_and_in_another_order_it_is_the_same() => Gen.Select(Some, Gen.Double[0, 180]).Sample(
        (g, angle) =>
        {
            var (own, turned, other) = (Coupled(g), Coupled(g with { Turned = angle }), Coupled(g, columnsFirst: true));
            for (var r = 0; r < own.Rows.Count; r++)
            {
                var same = other.Rows.Single(f => f.Places[0].Name == own.Rows[r].Places[0].Name);
                for (var c = 0; c < own.Rows[r].Row!.Crossings.Count; c++)
                {
                    var forces = own.Rows[r].Row!.Shares!.At[c].Forces;
                    for (var k = 0; k < 2; k++)
                    {
                        turned.Rows[r].Row!.Shares!.At[c].Forces[k].Should().BeApproximately(forces[k], 1e-4 * (1 + Math.Abs(forces[k])));
                        same.Row!.Shares!.At[c].Forces[k].Should().BeApproximately(forces[k], 1e-4 * (1 + Math.Abs(forces[k])));
                    }
                }
            }
        },
        iter: 30);

    [Fact]
    public void Of_a_pier_on_two_rows_joint_and_punching_are_looked_at_once()
    {
        var made = Coupled(new Lines([0, 4, 8], [0, 4], [.. Enumerable.Repeat(300.0, 9)], new double[18], 1.2, 1.2, 0.6, 0));
        var trials = Trials(made);
        var joined = trials.SelectMany(t => t.Joined.ToArray().Select(c => (c.Support.Label, t.Foundation.Mark))).ToList();
        joined.Select(j => j.Label).Should().OnlyHaveUniqueItems().And.HaveCount(6);
        joined.Single(j => j.Label == "A2").Mark.Should().Be("ST1-1", "it does not end there");
        joined.Single(j => j.Label == "A1").Mark.Should().Be("ST1-1", "where both end, the first");
        foreach (var t in trials)
        {
            t.Punched.ToArray().Select(p => p.At).Should().BeSubsetOf(t.Joined.ToArray().Select(c => c.At));
            foreach (var p in t.Punched)
            {
                p.Force(0).Should().Be(300, "all of the column punches, whatever the row carries");
            }
        }
    }

    [Fact]
    public void A_moment_about_the_vertical_is_told_of_once()
    {
        var made = Coupled(new Lines([0, 4, 8], [0, 4], [.. Enumerable.Repeat(300.0, 9)], new double[18], 1.2, 1.2, 0.6, 0),
            with: p => p with
            {
                Actions = p.Actions.ToDictionary(a => a.Key, a => a.Key == "A2" ? [a.Value[0] with { Fx = 20, Mz = 40 }, a.Value[1]] : a.Value),
            });
        made.Rows.Select((f, r) => new Checker(made.Project, f).Check(made.Designs[r]).Notes.Count(n => n.StartsWith("moment about the vertical", StringComparison.Ordinal)))
            .Should().Equal([1, 0, 0, 0, 0], "it stands on the row that does not end there");
    }

    [Fact]
    public void A_row_that_is_hardly_there_carries_nothing()
    {
        var project = Made(new Lines([0, 4, 8], [0, 4, 8], [.. Enumerable.Repeat(400.0, 9)], new double[18], 1.2, 1.2, 0.6, 0));
        FoundationDesign[] designs = [.. project.Foundations.Select(f => Design(f, f.Row!.Across ? 0.002 : 1.2, f.Row.Across ? 0.002 : 0.6))];
        foreach (var row in GridCoupling.Couple(project, project.Foundations, designs).Where(f => f.Row!.Across))
        {
            row.Row!.Shares!.At.Should().OnlyContain(s => s.Share < 0.002);
        }
    }

    [Fact]
    public void With_another_design_of_a_row_all_share_anew_and_with_its_own_again_as_before()
    {
        var made = Coupled(new Lines([0, 4, 8], [0, 4, 8], [.. Enumerable.Range(3, 9).Select(i => 90.0 * i)], new double[18], 1.2, 1.1, 0.6, 0));
        var project = made.Project with { Foundations = made.Rows };
        var checker = new Checker(project, made.Rows[1]);
        double Carried() => checker.Trials[0].Columns[1].Action(0).N;
        checker.Set(made.Designs[1]);
        var before = Carried();
        checker.Set(Design(made.Rows[1], 1.8, 0.6));
        Carried().Should().BeGreaterThan(before * 1.02, "a wider row sinks less and draws more");
        checker.Set(made.Designs[1]);
        Carried().Should().BeApproximately(before, 1e-6);
    }

    [Fact]
    public void More_load_is_shared_as_it_would_be_if_the_analysis_brought_it() => Some.Sample(
        g =>
        {
            var (times, made) = (1.4, Coupled(g));
            var (scaled, more) = (Coupled(g, factor: times),
                Coupled(g with { N = [.. g.N.Select(n => times * n)], H = [.. g.H.Select(h => times * h)] }));
            for (var r = 0; r < made.Rows.Count; r++)
            {
                for (var c = 0; c < made.Rows[r].Row!.Crossings.Count; c++)
                {
                    var (a, b) = (times * scaled.Rows[r].Row!.Shares!.At[c].Forces[0], more.Rows[r].Row!.Shares!.At[c].Forces[0]);
                    a.Should().BeApproximately(b, 1e-4 * (1 + Math.Abs(b)));
                }
            }
        },
        iter: 20);

    [Fact]
    public void Sized_together_all_rows_stand_on_what_they_share_and_are_as_deep() => Gen.Select(Gen.Double[3.5, 5], Gen.Double[3.5, 5],
        Gen.Double[150, 500].Array[9], (x, y, n) => new Lines([0, x, 2 * x], [0, y, 2 * y], n, new double[18], 0, 0, 0, 0)).Sample(
        g =>
        {
            var project = Made(g, sizing: Rules.Sizing with { PlanStep = 0.1, ThicknessStep = 0.1 });
            var results = GridSizer.Size(project, project.Foundations, new FoundationDesign?[project.Foundations.Count], null, default);
            results.Should().OnlyContain(r => r.Design != null && r.Checked!.Passes);
            results.Select(r => r.Design!.Size.Thickness).Distinct().Should().ContainSingle();

            // Checked apart, with shares found from nothing but the designs.
            var designs = results.Select(r => r.Design!).ToList();
            var rows = GridCoupling.Couple(project, project.Foundations, designs);
            for (var r = 0; r < rows.Count; r++)
            {
                new Checker(project, rows[r]).Check(designs[r]).Passes.Should().BeTrue();
            }
        },
        iter: 3);
}
