using System.Globalization;
using CsCheck;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;
using Plinth.Core.Units;
using static Plinth.Core.Tests.Given;

namespace Plinth.Core.Tests;

/// <summary>
/// What a trace prints is what was computed: every formula, evaluated again from its text and its values, gives its result.
/// </summary>
public class TraceTests
{
    /// <summary>Evaluates the formulas of traces: + − · / ^, √(), min(a; b), max(a; b), |x|.</summary>
    private sealed class Evaluator(TraceStep step)
    {
        private readonly List<object> tokens = Tokens(step);
        private int at;

        public double Value()
        {
            var value = Sum();
            at.Should().Be(tokens.Count, step.FormulaText);
            return value;
        }

        private static List<object> Tokens(TraceStep step)
        {
            var list = new List<object>();
            foreach (var part in step.Formula)
            {
                if (part.Text is null)
                {
                    list.Add(step.Kind == TraceKind.Empirical
                        ? part.Symbol.Unit.In(part.Symbol.Value, UnitSystem.Metric)
                        : part.Symbol.Value);
                    continue;
                }

                for (var i = 0; i < part.Text.Length;)
                {
                    var c = part.Text[i];
                    if (char.IsAsciiDigit(c))
                    {
                        var start = i;
                        while (i < part.Text.Length && (char.IsAsciiDigit(part.Text[i]) || part.Text[i] == '.'))
                        {
                            i++;
                        }

                        list.Add(double.Parse(part.Text.AsSpan(start, i - start), CultureInfo.InvariantCulture));
                    }
                    else if (c == 'π')
                    {
                        list.Add(Math.PI);
                        i++;
                    }
                    else if (char.IsLetter(c))
                    {
                        var start = i;
                        while (i < part.Text.Length && char.IsLetter(part.Text[i]))
                        {
                            i++;
                        }

                        list.Add(part.Text[start..i]);
                    }
                    else
                    {
                        if (c != ' ')
                        {
                            list.Add(c.ToString());
                        }

                        i++;
                    }
                }
            }

            return list;
        }

        private bool Take(string token)
        {
            if (at < tokens.Count && tokens[at] is string s && s == token)
            {
                at++;
                return true;
            }

            return false;
        }

        private double Sum()
        {
            var value = Take("−") ? -Product() : Product();
            while (true)
            {
                if (Take("+"))
                {
                    value += Product();
                }
                else if (Take("−"))
                {
                    value -= Product();
                }
                else
                {
                    return value;
                }
            }
        }

        private double Product()
        {
            var value = Power();
            while (true)
            {
                if (Take("·"))
                {
                    value *= Power();
                }
                else if (Take("/"))
                {
                    value /= Power();
                }
                else
                {
                    return value;
                }
            }
        }

        private double Power()
        {
            var value = Atom();
            return Take("^") ? Math.Pow(value, Atom()) : value;
        }

        private double Atom()
        {
            if (tokens[at] is double number)
            {
                at++;
                return number;
            }

            var word = (string)tokens[at++];
            if (word == "√")
            {
                Take("(");
                var inner = Sum();
                Take(")").Should().BeTrue();
                return Math.Sqrt(inner);
            }

            if (word is "min" or "max")
            {
                Take("(");
                var value = Sum();
                while (Take(";"))
                {
                    var next = Sum();
                    value = word == "min" ? Math.Min(value, next) : Math.Max(value, next);
                }

                Take(")").Should().BeTrue();
                return value;
            }

            if (word is "tan" or "sin" or "exp" or "arctan" or "ln")
            {
                Take("(");
                var inner = Sum();
                Take(")").Should().BeTrue();
                return word switch
                {
                    "tan" => Math.Tan(inner * Math.PI / 180),
                    "sin" => Math.Sin(inner * Math.PI / 180),
                    "exp" => Math.Exp(inner),
                    "ln" => Math.Log(inner),
                    _ => Math.Atan(inner)
                };
            }

            var close = word == "|" ? "|" : ")";
            var result = Sum();
            Take(close).Should().BeTrue(step.FormulaText);
            return word == "|" ? Math.Abs(result) : result;
        }
    }

    private static void EveryFormulaGivesItsResult(Project project, FoundationDesign design,
        System.Collections.Concurrent.ConcurrentDictionary<string, bool> seen)
    {
        var checker = new Checker(project, project.Foundations[0]);
        foreach (var check in checker.List.Listed)
        {
            for (var k = 0; k < project.Combinations.Used.Length; k++)
            {
                var c = project.Combinations.Used[k];
                if (check.For != Family.None && !c.IsFor(check.For))
                {
                    continue;
                }

                if (checker.Trace(design, check.Id, null, c.Name) is not { } trace)
                {
                    continue;
                }

                foreach (var step in trace.Steps.Where(s => s.Kind is TraceKind.Formula or TraceKind.Empirical))
                {
                    seen.TryAdd(check.Id + " " + step.Symbol, true);
                    var value = step.Kind == TraceKind.Empirical ? step.Unit.In(step.Value, UnitSystem.Metric) : step.Value;
                    if (double.IsFinite(value))
                    {
                        new Evaluator(step).Value()
                            .Should().BeApproximately(value, 1e-6 * Math.Max(1e-6, Math.Abs(value)),
                                $"{check.Id}: {step.Symbol} = {step.FormulaText}");
                    }
                }

                if (trace.Result.Outcome is { Done: true, FailsAnyhow: false } o
                    && trace.Steps.LastOrDefault(s => s.Symbol == "utilisation") is { } last && o.Utilisation < Outcome.NoCapacity)
                {
                    last.Value.Should().BeApproximately(o.Utilisation, 1e-9 * Math.Max(1, o.Utilisation),
                        check.Id + ": the trace ends in the utilisation that is reported");
                }
            }
        }
    }

    [Fact]
    public void Every_formula_of_rows_that_cross_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        Gen.Select(GridTests.Some, Gen.Double[0.3, 1.1]).Sample(
            (g, depth) =>
            {
                var made = GridTests.Coupled(g, ground: DefaultGround with { SubgradeModulus = 25e3, FoundingDepth = 1.2, WaterDepth = depth, Friction = 0.5 });
                for (var r = 0; r < made.Rows.Count; r++)
                {
                    EveryFormulaGivesItsResult(made.Project with { Foundations = [made.Rows[r]] }, made.Designs[r], seen);
                }
            },
            iter: 12);
        seen.Keys.Should().Contain("bearing N,all[A1]").And.Contain("two-way-shear Mx,c");
    }

    [Fact]
    public void Every_formula_of_ground_by_limit_states_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        Gen.Select(Gen.Double[-1, 1].Array[6], Gen.Double[0.4, 2], Gen.Int[1, 2]).Sample(
            (v, depth, approach) =>
            {
                var soil = LimitStateTests.Soil(approach, depth) with { SmoothFace = v[0] > 0, PassiveCoefficient = v[1] > 0 ? 3 : 0, Resistance = v[2] > 0 ? 300 : null };
                var project = LimitStateTests.Of(soil, new(700, 10 * v[0], 10 * v[1], 20 * v[2], 20 * v[3], 0),
                    new(200, 0, 0, 0, 10, 0), new(-60, 40 * v[4], 40 * v[5], 50 * v[3], 50 * v[0], 0));
                EveryFormulaGivesItsResult(project, Design(2.4, 2.2, 0.5), seen);
            },
            iter: 12);
        seen.Keys.Should().Contain(["bearing Rd/A'", "bearing ic", "bearing iγ", "bearing cu;d", "sliding R'd", "sliding Ru;d", "sliding Rp;d",
            "sliding tan δd", "overturning-x utilisation", "uplift utilisation"]);
    }

    [Fact]
    public void Every_formula_of_concrete_by_EN_1992_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        Gen.Select(Gen.Double[-1, 1].Array[6], Gen.Int[0, 5], Gen.Double[0.45, 1.0]).Sample(
            (v, kind, h) =>
            {
                var action = new SupportAction(kind == 1 ? -150 + (60 * v[0]) : 900 + (500 * v[0]), 60 * v[1], 60 * v[2], 160 * v[3], 160 * v[4], 0);
                var rules = EurocodeTests.European with
                {
                    Ground = EurocodeTests.European.Ground with { FoundingDepth = null, TopDepth = kind == 1 ? 3 : 0.4, SoilWeight = 18 },
                    Concrete = EurocodeTests.C30 with { Weight = 25 },
                    Column = new ColumnRules { Strength = 35e3, Dowels = Bars("8 H16") },
                    Pedestal = kind == 2 ? new PedestalRules { Under = PedestalUnder.All, Height = 0.5 } : PedestalRules.None,
                };
                var column = kind == 3 ? new Support("C1", 0, 0, null, ColumnShape.Round, 0.45, 0.45, 0, 0, 0, "", "") : Column(0.4, 0.5);
                var project = EurocodeTests.Pad(action, column, new HeldValues { OffsetX = kind >= 4 ? 0.75 * v[5] : 0, OffsetY = kind == 5 ? 0.6 : 0 },
                    rules);
                var top = kind == 1 && v[5] > 0 ? "11 H12" : kind == 2 ? "9 H12" : "none";
                var design = Design(2.6, 2.4, h, "14 H16", v[5] > 0.5 ? "26 H20 hooked" : "15 H16", top, top) with { Dowels = Bars("8 H16") };
                if (kind == 2)
                {
                    design = design with { Pedestal = new Pedestal(0.6, 0.7, false, Bars("10 H16"), Bars("H10-150")) };
                }

                EveryFormulaGivesItsResult(project, design, seen);
            },
            iter: 60);
        seen.Keys.Should().Contain(["two-way-shear vEd", "two-way-shear VEd,red", "two-way-shear MEd,x", "two-way-shear β·VEd", "anchorage-x Fs",
            "anchorage-x lbd", "one-way-shear-x vRd,c", "flexure-bottom-x MRd", "cracks-x wk", "minimum-steel-x As,min", "column-bearing FRdu",
            "interface-shear vRdi", "pedestal-shear VRd"]);
    }

    [Fact]
    public void Every_formula_of_curtailed_bars_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        Gen.Select(StripTests.Rows, Gen.Bool).Sample(
            (r, ribbed) =>
            {
                var project = CurtailmentTests.Curtailed(CurtailmentTests.Made(r, ribbed), 0.01);
                if (Sizing.FoundationSizer.Of(project, project.Foundations[0]).Size().Design is { ExtraBars.Any: true } design)
                {
                    EveryFormulaGivesItsResult(project, design, seen);

                    // Too short: what lacks is told too.
                    foreach (var reach in (double[])[0.45, 0.8, 1.05, 1.5])
                    {
                        foreach (var field in project.Foundations[0].Kind.Fields(project.Foundations[0].Places[0])
                            .Where(f => f.Path[^1] == "extra-reach" && f.Get(design) is not null))
                        {
                            design = field.Put(design, new Kinds.FieldValue.Length(reach));
                        }

                        EveryFormulaGivesItsResult(project, design, seen);
                    }
                }
            },
            iter: 30);
        seen.Keys.Should().Contain(["curtailment-x needed", "curtailment-x beyond", "curtailment-x u,a", "curtailment-x u,b", "curtailment-x As",
            "bar-spacing-x s,extra"]);
    }

    [Fact]
    public void Every_formula_of_every_check_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("SNOW", LoadSymbol.S), new("WX", LoadSymbol.W, true),
            new("EX", LoadSymbol.E, true), new(LoadCase.SurchargeName, LoadSymbol.L)];
        var set = CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, cases,
            new LoadOptions(Sds: 0.3) { OverturningReduction = 0.25 }, []);
        PlanLoad[] beside = [new(0, PlanLoadShape.Line, 15, -0.6, 0.3, 0.5, 0.5), new(1, PlanLoadShape.WholeBase, 6, 0, 0, 0, 0),
            new(3, PlanLoadShape.Rectangle, -20, -0.5, -0.3, 0.4, 0.6), new(2, PlanLoadShape.Point, 25, 0.4, 0.1, 0.4, 0.1)];
        var force = Gen.Double[-1, 1];
        Gen.Select(force, force, force, force, Gen.Double[1.6, 3.4], Gen.Double[1.6, 3.4], Gen.Double[0.35, 0.8], Gen.Int[0, 3]).Sample(
            (a, b, c, d, length, width, h, kind) =>
            {
                SupportAction[] actions =
                [
                    new(500 + (300 * a), 10 * b, 10 * c, 30 * d, 30 * a, 0), new(300 + (200 * b), 5 * c, 5 * d, 20 * a, 20 * b, 0),
                    new(60, 0, 0, 0, 0, 0),
                    new(-150 * c, 60 * d, 20 * a, 90 * b, 160 * c, 0), new(-120 * d, 70 * a, 60 * b, 150 * c, 150 * d, 0), default,
                ];
                var rules = Rules with
                {
                    Ground = DefaultGround with
                    {
                        Surcharge = kind == 1 ? 10 : 0,
                        Adhesion = 4,
                        PassiveCoefficient = 1.5,
                        TransientIncrease = 1.33,
                        Basis = kind == 2 ? BearingBasis.Net : BearingBasis.Gross,
                        Method = kind == 3 ? BearingMethod.ReducedArea : BearingMethod.Corner
                    },
                    Concrete = DefaultConcrete with
                    {
                        ShearPhi = kind == 2 ? 0.6 : null,
                        Pressure = kind == 3 ? Core.Concrete.SectionPressure.Gross : Core.Concrete.SectionPressure.Net
                    },
                };
                var project = Project(cases, actions, set, rules, Column(0.4, 0.55, level: 0.1),
                    new HeldValues { OffsetX = kind == 2 ? (length / 2) - 0.25 : 0.3 * a, OffsetY = -0.2 },
                    kind == 0 ? "aci318m-14" : "aci318m-19");
                if (kind == 1)
                {
                    project = project with { Foundations = [project.Foundations[0] with { Loads = beside }] };
                }

                EveryFormulaGivesItsResult(project, Design(length, width, h, "13 T16", "11 T20", "10 T16", "10 T16"), seen);

                // The same with a pedestal, dowels, water, layers, soil strength, hooks and no top bars.
                var ground = rules.Ground with
                {
                    FoundingDepth = 1.6 + (0.5 * Math.Abs(a)),
                    WaterDepth = 0.4 + Math.Abs(b),
                    PassiveIgnoredDepth = 0.5 * Math.Abs(c),
                    UpliftSpread = 20,
                    SubgradeModulus = kind == 1 ? 20e3 : null,
                    MostSettlement = 0.02,
                    Capacity = new BearingCapacity(BearingTheory.All[kind % 3], 25 + (10 * Math.Abs(a)), 5 * Math.Abs(b), 60, 3),
                    Layers = [new("sand", 2.2, 30e3, 0.3, null), new("clay", 3, 8e3, 0.4, 150),
                        new("", double.PositiveInfinity, 60e3, 0.3, 200)],
                };
                var upright = rules with
                {
                    Ground = ground,
                    Column = new ColumnRules { Strength = 40e3, Joint = (JointSurface)(kind % 3) },
                    Pedestal = new PedestalRules { Under = PedestalUnder.All, Top = 0, Strength = 35e3 }
                };
                var more = Project(cases, actions, set, upright, Column(0.4, 0.45, level: 0.1, angle: 20),
                    new HeldValues { OffsetX = 0.2 * a, OffsetY = -0.1 }, kind == 0 ? "aci318m-14" : "aci318m-19");
                var design = Design(length, width, h, kind == 2 ? "13 T16 hooked" : "13 T16",
                    "7 + 4 T20 banded") with
                {
                    Pedestal = new Pedestal(0.6, kind == 3 ? 0.6 : 0.7, kind == 3, Bars("8 T20"),
                        Bars("T10 @ 150 mm")),
                    Dowels = Bars("6 T16")
                };
                EveryFormulaGivesItsResult(more, design, seen);

                // A precast column in its socket.
                var socketed = rules with
                {
                    Ground = ground,
                    Column = new ColumnRules { Strength = 40e3, Bars = Bars("8 T20") },
                    Pedestal = new PedestalRules
                    {
                        Sockets = new SocketRules
                        {
                            Used = true,
                            Face = (SocketFace)(kind % 2),
                            Grout = 35e3
                        }
                    }
                };
                EveryFormulaGivesItsResult(
                    Project(cases, [kind == 3 ? actions[0] with { N = 50 } : actions[0], .. actions[1..]], set, socketed, Column(0.4, 0.45),
                        new HeldValues { OffsetX = 0.1 * a }, kind == 0 ? "aci318m-14" : "aci318m-19"),
                    Design(length, width,
                        h) with
                    {
                        Pedestal = new Pedestal(1.1, 1.15, false, Bars("16 T20"),
                            Bars("T12 @ 100 mm"))
                        { Socket = new Socket(0.7, 0.25) }
                    },
                    seen);
            },
            iter: 60);
        seen.Keys.Should().Contain(["bearing b·L/2", "bearing q,t", "sliding Rp", "two-way-shear vu", "two-way-shear γv,x",
            "two-way-shear Jx", "two-way-shear P", "one-way-shear-y Vp", "flexure-bottom-x Mp", "one-way-shear-x vc",
            "flexure-bottom-y As,eff", "flexure-top-x Mu", "uplift downward", "overturning-y R[weights]", "bearing Q", "bearing P1",
            "overturning-x T3[WX]", "flexure-bottom-x Mw", "uplift U[WX, load 3]", "bearing u", "bearing Wped", "bearing Nq", "bearing qa",
            "bearing iγ", "bearing-below Δp", "flotation resisting", "sliding S,wet", "uplift Wspread", "settlement s1", "anchorage-x ld",
            "anchorage-x ldh", "anchorage-y there", "interface lsc", "pedestal Aeff", "column-bearing φBn", "interface ldc",
            "interface times", "interface-shear C", "pedestal times,cap", "pedestal-shear vc", "flexure-top-x φMn", "one-way-shear-x φVn",
            "punching-steel As,strip", "socket-depth l,bond", "socket-depth ld", "socket-pressure F1", "socket-walls u,bent",
            "socket-walls λs", "socket-shear vs", "socket-floor vu"]);
    }

    [Fact]
    public void No_combination_is_used_more_than_the_one_that_is_said_to_govern()
    {
        LoadCase[] cases = [new("DEAD", LoadSymbol.D), new("LIVE", LoadSymbol.L), new("WX", LoadSymbol.W, true),
            new("WY", LoadSymbol.W, true)];
        var set = CombinationBuilder.Build(LoadStandards.Find("asce7-22")!, cases, new LoadOptions { OverturningReduction = 0.25 }, []);
        PlanLoad[] beside = [new(1, PlanLoadShape.Point, 25, 0.4, 0.1, 0.4, 0.1)];
        var force = Gen.Double[-1, 1];
        Gen.Select(force, force, force, force, Gen.Double[1.6, 3], Gen.Double[1.6, 3], Gen.Int[0, 3]).Sample(
            (a, b, c, d, length, width, kind) =>
            {
                SupportAction[] actions = [new(400 + (300 * a), 10 * b, 10 * c, 30 * d, 30 * a, 0),
                    new(200 + (150 * b), 5 * c, 5 * d, 20 * a, 20 * b, 0), new(-200 * c, 60 * d, 0, 0, 120 * c, 0),
                    new(-150 * d, 0, 50 * a, 110 * b, 0, 0)];
                var rules = Rules with
                {
                    Ground = DefaultGround with { FoundingDepth = 2.2, WaterDepth = kind == 1 ? 0.8 : null, Surcharge = kind == 2 ? 5 : 0 },
                    Stability = new StabilityRules { VariableResists = kind == 2 },
                    Column = new ColumnRules { Strength = 40e3, Bars = Bars("8 T16") },
                    Pedestal = kind switch
                    {
                        1 => new PedestalRules { Under = PedestalUnder.All, Top = -0.2 },
                        3 => new PedestalRules { Sockets = new SocketRules { Used = true } },
                        _ => PedestalRules.None
                    },
                };
                var project = Project(cases, actions, set, rules, Column(0.4, 0.5), new HeldValues { OffsetX = 0.3 * b, OffsetY = 0.1 });
                if (kind == 0)
                {
                    project = project with { Foundations = [project.Foundations[0] with { Loads = beside }] };
                }

                var design = Design(length, width, 0.5, "13 T16", "11 T20", "10 T16", "10 T16") with
                {
                    Pedestal = kind switch
                    {
                        1 => new Pedestal(0.6, 0.7, false, Bars("8 T20"), Bars("T10 @ 150 mm")),
                        3 => new Pedestal(1.1, 1.2, false, Bars("16 T20"), Bars("T12 @ 100 mm")) { Socket = new Socket(0.7, 0.25) },
                        _ => null
                    },
                    Dowels = kind == 3 ? Core.Concrete.BarSpec.None : Bars("8 T16"),
                };
                var checker = new Checker(project, project.Foundations[0]);
                foreach (var result in checker.Check(design).Checks.Where(r => r.Combination is not null))
                {
                    var check = checker.List.Find(result.Id)!;
                    var most = set.Used.Where(k => k.IsFor(check.For))
                        .Select(k => checker.Trace(design, check.Id, null, k.Name))
                        .Where(t => t is { Result.Outcome.Done: true })
                        .Select(t => t!.Value.Result.Outcome)
                        .MaxBy(o => (o.FailsAnyhow, o.Utilisation));
                    result.Outcome.FailsAnyhow.Should().Be(most.FailsAnyhow, "what fails whatever its number comes first");
                    result.Utilisation.Should().BeApproximately(most.Utilisation, 1e-9 * Math.Max(1, most.Utilisation), result.Id);
                }
            },
            iter: 60);
    }

    [Fact]
    public void Every_formula_of_a_base_under_several_columns_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        CombinedTests.Cases.Sample(
            c =>
            {
                var (project, design) = CombinedTests.Make(c);
                EveryFormulaGivesItsResult(project, design, seen);
            },
            iter: 60);
        seen.Keys.Should().Contain(["flexure-top-x φMn", "one-way-shear-x utilisation", "flexure-bottom-y Mu", "one-way-shear-y Vu",
            "two-way-shear vu", "bearing ΣN", "overturning-x R[weights]"]);
    }

    [Fact]
    public void Every_formula_of_a_strap_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        Gen.Select(StrapTests.Random, Gen.Int[0, 3]).Sample(
            (g, code) => EveryFormulaGivesItsResult(g.Project with
            {
                Code = Core.Concrete.Codes.ConcreteCodes.Find(((string[])["aci318m-19", "aci318m-14", "aci318-19", "aci318-14"])[code])!,
            }, g.Design, seen),
            iter: 60);
        seen.Keys.Should().Contain(["flexure-top-x φMn", "flexure-bottom-x utilisation", "shear-stirrups φVn", "stirrup-spacing s,most",
            "beam-steel As,min", "anchorage-x there", "two-way-shear vu", "bearing ΣN", "overturning-x R[weights]"]);
    }

    [Fact]
    public void Every_formula_of_a_wall_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        Gen.Select(WallTests.Random, Gen.Int[0, 3]).Sample(
            (g, code) => EveryFormulaGivesItsResult(
                WallTests.Of(g, code: ((string[])["aci318m-19", "aci318m-14", "aci318-19", "aci318-14"])[code]),
                WallTests.Design(g.First, g.Second, g.H, g.Wall.Retained is not null,
                    stem: g.Wall.Stem is null ? null : new Kinds.Wall.StemBars(Bars("T16 @ 150 mm"), Bars("T12 @ 200 mm"), Bars("T12 @ 200 mm"))), seen),
            iter: 60);
        seen.Keys.Should().Contain(["flexure-top-y Mu", "flexure-bottom-y Mp", "one-way-shear-y Vu", "bearing ΣMx", "wall-flexure nu",
            "wall-shear utilisation", "wall-steel upright steel", "overturning-y R[weights]", "minimum-steel-x As,min"]);
    }

    [Fact]
    public void Every_formula_of_a_cap_on_piles_gives_its_result()
    {
        var seen = new System.Collections.Concurrent.ConcurrentDictionary<string, bool>();
        Gen.OneOf(PileCapPropertyTests.Some, PileCapPropertyTests.Some, PileCapPropertyTests.Hexagons).Sample(
            g =>
            {
                var (project, design) = PileCapPropertyTests.Make(g);
                EveryFormulaGivesItsResult(project, design, seen);
            },
            iter: 60);
        seen.Keys.Should().Contain(["pile-compression R,most", "pile-tension T", "pile-lateral H", "pile-axial φPn", "pile-bending Mx",
            "pile-punching Vu", "strut φFns", "node φFnn", "tie-x T", "one-way-shear-y Vu", "flexure-bottom-x Mu", "two-way-shear vu"]);
    }

    [Fact]
    public void A_recorded_result_is_the_unrecorded_one()
    {
        var project = OneAction(new SupportAction(700, 30, 40, 50, 160, 0));
        var checker = new Checker(project, project.Foundations[0]);
        var design = Design(2.2, 2.0, 0.5);
        foreach (var result in checker.Check(design).Checks)
        {
            var traced = checker.Trace(design, result.Id, null, null)!.Value.Result;
            traced.Should().Be(result);
        }
    }

    [Fact]
    public void Substitution_shows_values_in_the_units_asked_and_brackets_negatives()
    {
        var step = new TraceStep(TraceKind.Formula, "M", -1, Unit.Moment,
            [new FormulaPart(null, new Sym("H", 0.3048, Unit.Length)), new FormulaPart("·", default),
                new FormulaPart(null, new Sym("Fx", -4.4482216152605, Unit.Force))], null);
        step.FormulaText.Should().Be("H·Fx");
        step.Substituted(UnitSystem.Us).Should().Be("1·(-1)");
        step.Substituted(UnitSystem.Metric).Should().Be("0.3048·(-4.448)");
    }
}
