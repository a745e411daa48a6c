using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What of a pedestal does not depend on loads: least and greatest steel, ties; each as needed over there.</summary>
/// <param name="Least">Least bars over those there.</param>
/// <param name="Most">Bars over the most.</param>
/// <param name="Ties">Spacing of ties over the most, or least tie over the tie.</param>
internal readonly record struct PedestalLimits(double Least, double Most, double Ties);

/// <summary>A pedestal under force and moments both ways at its foot and top, its steel and its ties.</summary>
internal readonly struct PedestalStrength : ICheckRule<Standing, PedestalLimits>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    private const double Tall = 3;

    public static PedestalLimits Capacity(Standing s)
    {
        var none = default(NoTrace);
        return s.Pedestal is null ? default : Limits(s, ref none);
    }

    public static double UpperBound(Standing s, in PedestalLimits limits, int k)
    {
        if (s.Pedestal is not { Socket: null })
        {
            return double.PositiveInfinity;
        }

        var (foot, top, section) = (JointSections.AtPedestalFoot(s, k), JointSections.AtPedestalTop(s, k), s.Joints.Pedestal(s));
        var bound = Math.Max(s.Code.UtilisationBound(section, foot.N, foot.Mx, foot.My),
            s.Code.UtilisationBound(section, top.N, top.Mx, top.My));
        return Math.Max(bound, Math.Max(Math.Max(limits.Least, ForForce(s, foot.N)), Math.Max(limits.Most, limits.Ties)));
    }

    public static Outcome Evaluate<T>(Standing s, in PedestalLimits limits, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Pedestal is null)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var (foot, top) = (JointSections.AtPedestalFoot(s, k), JointSections.AtPedestalTop(s, k));
        var (atFoot, atTop) = (Used(s, foot, ref none), s.Pedestal.Socket is null ? Used(s, top, ref none) : 0);
        var section = Math.Max(atFoot, atTop);
        if (T.Records)
        {
            var a = atFoot >= atTop ? foot : top;
            trace.Heading(atFoot >= atTop ? "Pedestal, at its foot" : "Pedestal, at its top");
            trace.Given("Pu", a.N, Unit.Force,
                s.Pedestal.Socket is not null ? "a pull on the walls; what presses passes through the column's foot"
                    : atFoot >= atTop ? "of the column and the pedestal's factored weight"
                    : "of the column");
            trace.Given("Mx", a.Mx, Unit.Moment, "there");
            trace.Given("My", a.My, Unit.Moment, "there");
            var own = s.Joints.Pedestal(s);
            var ratio = trace.Let("ρ", own.Steel / own.Gross, Unit.Ratio,
                $"{new Sym("As", own.Steel, Unit.SteelArea)}/{new Sym("Ag", own.Gross, Unit.SteelArea)}");
            var counts = s.Code.EffectiveShare(ratio);
            if (counts < 1)
            {
                trace.Let("Aeff", counts * own.Gross, Unit.SteelArea,
                    $"max(0.5; {new Sym("ρ", ratio, Unit.Ratio)}/0.01)·{new Sym("Ag", own.Gross, Unit.SteelArea)}",
                    s.Code.EffectiveAreaClause);
                trace.Remark("Less steel than 1 %: the concrete counts in the proportion of Aeff less the bars to Ag less the bars.");
            }

            Used(s, a, ref trace);
            Limits(s, ref trace);
        }

        // Steel and ties within their limits say nothing of how much is used; beyond them they fail.
        var least = Math.Max(limits.Least, ForForce(s, foot.N));
        var beyond = Math.Max(least, Math.Max(limits.Most, limits.Ties));
        var worst = beyond > Outcome.Limit ? Math.Max(section, beyond) : section;
        if (beyond > Outcome.Limit)
        {
            trace.Let("utilisation", worst, Unit.Ratio,
                $"max({new Sym("1/times", section, Unit.Ratio)}; {new Sym("least", least, Unit.Ratio)}; "
                    + $"{new Sym("most", limits.Most, Unit.Ratio)}; {new Sym("ties", limits.Ties, Unit.Ratio)})");
        }
        else
        {
            trace.Let("utilisation", worst, Unit.Ratio, $"{new Sym("1/times", section, Unit.Ratio)}");
        }

        if (T.Notes)
        {
            trace.Note((worst == section ? $"force with moments at its {(atFoot >= atTop ? "foot" : "top")}"
                : worst == least ? "least steel"
                : worst == limits.Most ? "greatest steel"
                : "size and spacing of the ties")
                + (IsTall(s) ? "; taller than 3 times its least side: it counts as a column, and its slenderness is not checked" : ""));
        }

        return Outcome.Ratio(worst, 1);
    }

    // Least steel by the force of a combination over that there.
    private static double ForForce(Standing s, double n) =>
        s.Code.LeastForForce(n, s.Rules.Steel.Yield) is > 0 and var asked && s.Pedestal!.Bars is { Size: { } bar, Count: > 0 } bars
            ? asked / (bars.Count * bar.Area)
            : 0;

    private static bool IsTall(Standing s) => s.PedestalHeight > Tall * Math.Min(s.Pedestal!.SizeX, s.Pedestal.SizeY);

    private static double Used<T>(Standing s, in SectionAction a, ref T trace)
        where T : struct, ITrace
    {
        if (Math.Abs(a.N) + a.Moment <= 0)
        {
            return 0;
        }

        var times = s.Code.TimesHeld(ref trace, s.Joints.Pedestal(s), a.N, a.Mx, a.My);
        return times > 0 ? Math.Min(1 / times, Outcome.NoCapacity) : Outcome.NoCapacity;
    }

    private static PedestalLimits Limits<T>(Standing s, ref T trace)
        where T : struct, ITrace
    {
        var pedestal = s.Pedestal!;
        if (pedestal.Bars.Size is not { } bar || pedestal.Ties.Size is not { } tie || pedestal.Ties.Spacing <= 0)
        {
            return new PedestalLimits(Outcome.NoCapacity, 0, Outcome.NoCapacity);
        }

        var (low, high) = s.Code.ColumnSteel(IsTall(s));
        var area = pedestal.Bars.Count * bar.Area;
        trace.Given("ρ,least", low, Unit.Ratio, IsTall(s) ? "taller than 3 times its least side: a column" : "pedestal");
        trace.Given("ρ,most", high, Unit.Ratio, "of the gross area");
        var most = trace.Given("s,most",
            s.Code.TieSpacing(bar.Diameter, tie.Diameter, pedestal.Socket?.Wall ?? Math.Min(pedestal.SizeX, pedestal.SizeY)), Unit.Section,
            pedestal.Socket is null
                ? s.Code.TieWords
                : s.Code.TieWords.Replace("least side", "thickness of the walls", StringComparison.Ordinal),
            s.Code.TieClause);
        trace.Given("tie,least", s.Code.LeastTie(bar.Diameter), Unit.Section,
            tie.Diameter < s.Code.LeastTie(bar.Diameter) - 1e-9 ? "the ties are thinner: not allowed" : "diameter of ties",
            s.Code.TieClause);
        return new PedestalLimits(low * pedestal.OwnArea / area, area / (high * pedestal.OwnArea),
            tie.Diameter < s.Code.LeastTie(bar.Diameter) - 1e-9 ? Outcome.NoCapacity : pedestal.Ties.Spacing / most);
    }
}

/// <summary>Shear in a pedestal, both ways.</summary>
internal readonly struct PedestalShear : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static Nothing Capacity(Standing s) => default;

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Pedestal is not { Socket: null, Bars.Size: not null, Ties: { Size: not null, Spacing: > 0 } } pedestal)
        {
            return Outcome.NotDone;
        }

        // The recorder is handed on: both ways are told in order.
        var a = JointSections.AtPedestalTop(s, k);
        var (x, y) = pedestal.Round
            ? (One(s, a, pedestal.SizeX, pedestal.SizeX, a.Shear, "", ref trace), Outcome.Ratio(0, 1))
            : (One(s, a, pedestal.SizeX, pedestal.SizeY, Math.Abs(a.Fx), "x", ref trace),
                One(s, a, pedestal.SizeY, pedestal.SizeX, Math.Abs(a.Fy), "y", ref trace));

        var larger = x.Utilisation >= y.Utilisation ? x : y;
        var used = s.Code.ShearBothWays(ref trace, x.Utilisation, y.Utilisation);
        return larger with { Utilisation = used };
    }

    private static Outcome One<T>(Standing s, in SectionAction a, double along, double across, double shear, string axis, ref T trace)
        where T : struct, ITrace
    {
        var pedestal = s.Pedestal!;
        trace.Heading($"Shear in the pedestal {(axis.Length > 0 ? "along " : "")}{axis}");
        var toCentre = s.Rules.Pedestal.Cover + pedestal.Ties.Size!.Diameter + (pedestal.Bars.Size!.Diameter / 2);
        var d = pedestal.Round
            ? trace.Let("d", 0.8 * along, Unit.Section, $"0.8·{new Sym("D", along, Unit.Section)}", s.Code.ColumnShearClause)
            : trace.Let("d", along - toCentre, Unit.Section,
                $"{new Sym("c", along, Unit.Section)} − {new Sym("to the bars", toCentre, Unit.Section)}");
        var concrete = s.Joints.PedestalConcrete(s);
        var strength = s.Code.ColumnShear(ref trace, concrete,
            new ShearColumn(across, d, pedestal.Area, a.N, 2 * pedestal.Ties.Size.Area, pedestal.Ties.Spacing, s.Rules.Steel.Yield));
        if (strength > 0 && T.Records)
        {
            trace.Let("u" + axis, shear / strength, Unit.Ratio,
                $"{new Sym("Vu", shear, Unit.Force)}/{new Sym("φVn", strength, Unit.Force)}");
        }

        return Outcome.Ratio(shear, strength);
    }
}
