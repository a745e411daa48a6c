using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Shear along a base under several columns: at d from each face where the ground pushes towards that column, else at the face; between
/// columns nearer than twice d once,
/// in the middle; against the concrete with the bars of the stretched side there.
/// </summary>
internal readonly struct LongShear : ICheckRule<LongSpan, LongShearStrengths>
{
    public static ReadOnlySpan<LongSpan> Of(Trial trial) => ((CombinedTrial)trial).LongSpans;

    // The sections follow from the depth; over one breadth their strength is alike, unless bars count but where they run on far enough.
    public static double GoverningKey(LongSpan s) =>
        s.Trial.Looking == Face.Bottom && s.Body.IsRectangle && !s.HasExtra(true) && s.Code is not IShearPerimeters
            ? s.Depth(true)
            : double.NaN;

    public static LongShearStrengths Capacity(LongSpan s)
    {
        var none = default(NoTrace);
        if (!s.Body.IsRectangle || s.HasExtra(true) || s.HasExtra(false))
        {
            return default;
        }

        var middle = (s.Low + s.High) / 2;
        return new(true, Strength(s, middle, true, false, ref none), Strength(s, middle, false, false, ref none))
        {
            BareBottom = Bare(s, true, ref none),
            BareTop = Bare(s, false, ref none),
            ReachBottom = Reach(s, true, ref none),
            ReachTop = Reach(s, false, ref none),
        };
    }

    public static Outcome Evaluate<T>(LongSpan s, in LongShearStrengths strengths, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var worst = Outcome.Ratio(0, strengths.AllAlong ? strengths.Bottom : Strength(s, 0, true, false, ref none)) with
        {
            Face = Face.Bottom,
        };
        var governing = default(LongSection);
        var (bottom, where) = (true, AtD);
        var falls = Falls(s, k);
        var shears = s.Shears(k);
        for (var i = 0; i < shears.Length; i++)
        {
            ref readonly var at = ref shears[i];
            var below = at.Section.Moment >= 0;
            if (s.LooksAt(below ? Face.Bottom : Face.Top))
            {
                Take(Used(s, strengths, k, at.Section, below), at.Section, below, at.AtFace ? "at the face" : AtD, ref worst);
            }

            // Beyond where the moment changes its sign the other face's bars count, and fewer of them may hold less. Where weights there
            // exceed the pressure, or the ground does not push towards the column, shear may be greater there than here.
            if (s.LooksAt(below ? Face.Top : Face.Bottom) && s.Layer(!below).Any
                && (s.HasExtra(!below) || at.AtFace || !falls
                    || Math.Abs(at.Section.Shear) > worst.Utilisation * strengths.At(s, at.Section.X, !below))
                && s.Turn(k, i) is { } turn)
            {
                Take(Used(s, strengths, k, turn, !below), turn, !below, "where the moment changes its sign", ref worst);
            }
        }

        if (s.Code.LimitsShearAtFace && s.LooksAt(Face.Bottom))
        {
            foreach (var c in s.Columns)
            {
                for (var side = -1; side <= 1; side += 2)
                {
                    var face = s.Face(c, side);
                    if (face > s.Low + 1e-9 && face < s.High - 1e-9)
                    {
                        var at = s.Section(k, face);
                        var shear = OneWayShear<AxisX>.Significant(Math.Abs(at.Shear), s.Body.Loads(k).N);
                        var used = Outcome.Ratio(shear, Steep(s, at, ref none));
                        Take(used with { Face = Face.Bottom }, at, at.Moment >= 0, Crushed, ref worst);
                    }
                }
            }
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s.Body, k, true, ref trace);
            trace.Heading($"Shear across {s.Axis}, {where}");
            trace.Given(s.Axis, governing.X, Unit.Length, "section from the base's centroid");
            trace.Given("V", governing.Shear, Unit.Force, $"∫(p + u − w) dA − ΣN of all towards −{s.Axis}");
            trace.Given("M", governing.Moment, Unit.Moment, bottom ? "stretches the bottom there" : "stretches the top there");
            trace.Given("b", s.BreadthAt(governing.X), Unit.Section, "breadth there");
            if (worst.Capacity > 0)
            {
                if (worst.Plain)
                {
                    Plain(s, k, governing.X, ref trace);
                }
                else if (where == Crushed)
                {
                    Steep(s, governing, ref trace);
                }
                else
                {
                    Strength(s, governing.X, bottom, true, ref trace);
                }

                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym("Vu", worst.Demand, Unit.Force)}/"
                        + $"{new Sym(where == Crushed ? "VEd,max" : "φVc", worst.Capacity, Unit.Force)}");
            }
        }

        if (T.Notes && worst.Demand > 0)
        {
            if (s.AlongX)
            {
                trace.Along(governing.X);
            }

            trace.Note(
                $"{Unit.Length.FormatWithSymbol(governing.X, s.Units)} along {s.Axis} from the base's "
                    + $"centroid{(where == AtD ? "" : ", " + where)}");
        }

        return worst;

        void Take(in Outcome own, in LongSection at, bool below, string words, ref Outcome most)
        {
            if (own.Utilisation > most.Utilisation)
            {
                (most, governing, bottom, where) = (own, at, below, words);
            }
        }
    }

    // Whether the ground pushes up all along, so that shear falls from where it pushes towards a column.
    private static bool Falls(LongSpan s, int k) => s.Body is { Bed: null, PlacedLoads.Length: 0 }
        && s.Body.Contact(k).State == ContactState.Full && s.Body.RisingWeight(k) == 0
        && s.Body.LeastPressure(k) + s.Body.GroundLoad(k).WaterPressure >= s.Body.PressedPerArea(k);

    private const string AtD = "at d from the face";

    private const string Crushed = "at the face, by the struts";

    // By the lesser depth of both faces' bars that are there.
    private static double Steep<T>(LongSpan s, in LongSection at, ref T trace)
        where T : struct, ITrace
    {
        var d = s.Layer(false).Any && s.Layer(true).Any ? Math.Min(s.Depth(true), s.Depth(false)) : s.Depth(s.Layer(true).Any);
        return s.Code.SteepShear(ref trace, s.Rules.Concrete, s.BreadthAt(at.X),
            trace.Given("d", d, Unit.Section, "the lesser of both faces"));
    }

    private static Outcome Used(LongSpan s, in LongShearStrengths strengths, int k, in LongSection at, bool below)
    {
        var none = default(NoTrace);
        var demand = OneWayShear<AxisX>.Significant(Math.Abs(at.Shear), s.Body.Loads(k).N);
        var strength = strengths.At(s, at.X, below);
        var held = below ? 0 : Plain(s, k, at.X, ref none);
        return Outcome.Ratio(demand, Math.Max(strength, held)) with { Face = below ? Face.Bottom : Face.Top, Plain = held > strength };
    }

    /// <summary>Where the section of a column's side lies; null where it lies beyond the base.</summary>
    public static (double At, bool AtFace)? Place(LongSpan s, int k, Standing c, int side)
    {
        var face = s.Face(c, side);
        if (face <= s.Low + 1e-9 || face >= s.High - 1e-9)
        {
            return null;
        }

        // The part beyond the face must be pushed up towards the column, and the column must press: else nothing spreads out from it.
        var pushed = -side * s.Section(k, face).Shear > 0 && c.Action(k).N > 0;
        if (!pushed)
        {
            return (face, true);
        }

        var d = s.Depth(true);
        var (to, isColumn) = s.Next(c, side);
        var clear = side * (to - face);
        if (isColumn)
        {
            // Of columns side by side the outer one's section tells.
            if (clear <= 0)
            {
                return null;
            }

            return (clear < 2 * d ? (face + to) / 2 : face + (side * d), false);
        }

        return clear > d ? (face + (side * d), false) : null;
    }

    private static double Plain<T>(LongSpan s, int k, double at, ref T trace)
        where T : struct, ITrace
    {
        var plain = s.Code.PlainThickness(s.Thickness);
        return plain > 0 && s.IsBeyond(at) && s.PlainOnTop(k)
            ? s.Code.PlainOneWayShear(ref trace, s.Rules.Concrete, s.BreadthAt(at), plain)
            : 0;
    }

    internal static double Strength<T>(LongSpan s, double at, bool bottom, bool tell, ref T trace)
        where T : struct, ITrace
    {
        if (!s.Layer(bottom).Any)
        {
            return 0;
        }

        if (tell)
        {
            trace.Given("d", s.Depth(bottom), Unit.Section, $"of the {(bottom ? "bottom" : "top")} bars along {s.Axis}");
        }

        var steel = s.SteelAt(bottom, at);
        var reach = Reach(s, bottom, ref trace);
        if (reach > 0)
        {
            var beyond = trace.Given("beyond", Beyond(s, at), Unit.Section, "bars beyond the section, towards the nearer end");
            steel = reach <= beyond ? steel : trace.Given("As", 0, Unit.SteelArea, "they do not run lbd + d beyond it: none counts");
        }

        return s.Code.OneWayShear(ref trace, s.Rules.Concrete, s.BreadthAt(at), s.Depth(bottom), steel);
    }

    // What a code holds without the bars, where it counts only those that run far enough beyond a section.
    private static double Bare<T>(LongSpan s, bool bottom, ref T trace)
        where T : struct, ITrace => s.Code is IShearPerimeters && s.Layer(bottom).Any
            ? s.Code.OneWayShear(ref trace, s.Rules.Concrete, s.Breadth, s.Depth(bottom), 0)
            : 0;

    private static double Reach<T>(LongSpan s, bool bottom, ref T trace)
        where T : struct, ITrace => s.Code is IShearPerimeters code && s.Layer(bottom).Any
            ? code.ShearSteelBeyond(ref trace, s.Rules.Concrete, Anchorage.Bar(s, bottom, ref trace), s.Layer(bottom).Hooked,
                s.Depth(bottom))
            : 0;

    internal static double Beyond(LongSpan s, double at) => Math.Min(at - s.Low, s.High - at) - s.Rules.Concrete.CoverSide;
}

/// <summary>Strengths in shear along a base, kN: those of every section where it is a rectangle without extra bars.</summary>
/// <param name="AllAlong">Whether they are those of every section.</param>
/// <param name="Bottom">By the bottom bars.</param>
/// <param name="Top">By the top bars.</param>
internal readonly record struct LongShearStrengths(bool AllAlong, double Bottom, double Top)
{
    /// <summary>What holds where the bottom bars do not run on far enough, kN.</summary>
    public double BareBottom { get; init; }

    /// <summary>The same of the top bars, kN.</summary>
    public double BareTop { get; init; }

    /// <summary>How far the bottom bars must run beyond a section to count there, m; 0: they always count.</summary>
    public double ReachBottom { get; init; }

    /// <summary>The same of the top bars, m.</summary>
    public double ReachTop { get; init; }

    /// <summary>The strength in a section by the bars of a face, kN.</summary>
    public double At(LongSpan s, double x, bool bottom)
    {
        var none = default(NoTrace);
        if (!AllAlong)
        {
            return LongShear.Strength(s, x, bottom, false, ref none);
        }

        var (reach, full, bare) = bottom ? (ReachBottom, Bottom, BareBottom) : (ReachTop, Top, BareTop);
        return reach > 0 && reach > LongShear.Beyond(s, x) ? bare : full;
    }
}
