using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What of a joint does not depend on loads.</summary>
/// <param name="Least">Least bars over those there.</param>
/// <param name="Pressed">Length that dowels need where they are pressed to yield over the length there.</param>
/// <param name="PressedLeast">The least that they need, whatever their stress.</param>
/// <param name="Pulled">Length that hooked bars in tension need over the length there.</param>
internal readonly record struct JointStrength(double Least, double Pressed, double PressedLeast, double Pulled)
{
    /// <summary>The same of the bars of a pedestal.</summary>
    public (double Full, double Least) OfPedestal { get; init; }
}

/// <summary>
/// The joints below column and pedestal: force and moments on the column's section with the dowels for bars, least dowels, their
/// development.
/// </summary>
internal readonly struct Interface : ICheckRule<Standing, JointStrength>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static JointStrength Capacity(Standing s)
    {
        var none = default(NoTrace);
        var result = default(JointStrength);
        if (JointSections.Designed(s))
        {
            result = Of(s, true, ref none);
        }

        if (s.Pedestal is not null)
        {
            var pedestal = Of(s, false, ref none);
            result = result with
            {
                Least = Math.Max(result.Least, pedestal.Least),
                Pulled = Math.Max(result.Pulled, pedestal.Pulled),
                OfPedestal = (pedestal.Pressed, pedestal.PressedLeast),
            };
        }

        return result;
    }

    public static double UpperBound(Standing s, in JointStrength strength, int k)
    {
        if (!JointSections.Designed(s))
        {
            return double.PositiveInfinity;
        }

        var a = JointSections.AtColumnFoot(s, k);
        var bound = s.Code.UtilisationBound(s.Joints.Column(s), a.N, a.Mx, a.My);
        var developed = Math.Max(Math.Max(strength.Pressed, strength.OfPedestal.Full), strength.Pulled);
        return Math.Max(bound, Math.Max(Math.Max(strength.Least, ForForce(s, a.N)), developed));
    }

    public static Outcome Evaluate<T>(Standing s, in JointStrength strength, int k, ref T trace)
        where T : struct, ITrace
    {
        var column = JointSections.Designed(s);
        if (!column && s.Pedestal is null)
        {
            return Outcome.NotDone;
        }

        var none = default(NoTrace);
        var times = double.PositiveInfinity;
        var pulled = s.Pedestal is not null && JointSections.Pulls(JointSections.AtPedestalFoot(s, k), s.Pedestal.SizeX, s.Pedestal.SizeY);
        if (column)
        {
            var a = JointSections.AtColumnFoot(s, k);
            var columnPulled = JointSections.Pulls(a, s.Support);
            pulled |= columnPulled;
            times = Math.Abs(a.N) + a.Moment > 0 ? s.Code.TimesHeld(ref none, s.Joints.Column(s), a.N, a.Mx, a.My) : times;
            if (T.Records)
            {
                Tell(s, a, ref trace);
                trace.Heading("Lap of the dowels with the column's bars");
                trace.Remark(s.Rules.Column.Bars?.Size is { } other
                    ? $"With {other.Name} of the column."
                    : "The column's bars are not stated ([column] bars): taken as the dowels.");
                trace.Remark(columnPulled
                    ? "This combination pulls at the joint."
                    : "This combination does not pull at the joint; a lap in tension holds where another does.");
                DowelLap.Length(ref trace, s.Code, s.Rules, s.Support, s.Dowels, columnPulled);
            }
        }

        if (T.Records)
        {
            if (column)
            {
                if (Pressed(s, k, strength) < strength.Pressed)
                {
                    trace.Remark("The concrete of the section alone holds the load: pressed bars need their least length alone.");
                }

                Of(s, true, ref trace);
            }

            if (s.Pedestal is not null)
            {
                Of(s, false, ref trace);
            }
        }

        var section = times > 0 ? Math.Min(1 / times, Outcome.NoCapacity) : Outcome.NoCapacity;
        var tension = pulled ? strength.Pulled : 0;
        var pressing = Math.Max(column ? Pressed(s, k, strength) : 0, s.Pedestal is null ? 0 : PressedInPedestal(s, k, strength));
        var used = Math.Max(section, Math.Max(pressing, tension));

        // Bars that are the least say nothing of how much is used; too few fail.
        var least = Math.Max(strength.Least, column ? ForForce(s, JointSections.AtColumnFoot(s, k).N) : 0);
        var lacks = least > Outcome.Limit;
        var worst = lacks ? Math.Max(used, least) : used;
        var (times1, pressed, held) = (new Sym("1/times", section, Unit.Ratio), new Sym("pressed", pressing, Unit.Ratio),
            new Sym("pulled", tension, Unit.Ratio));
        if (lacks)
        {
            trace.Let("utilisation", worst, Unit.Ratio,
                $"max({times1}; {pressed}; {held}; {new Sym("least", least, Unit.Ratio)})");
        }
        else
        {
            trace.Let("utilisation", worst, Unit.Ratio, $"max({times1}; {pressed}; {held})");
        }

        if (T.Notes)
        {
            trace.Note(worst == section ? "force with moments on the column's section"
                : lacks && worst == least ? "least area of the bars that cross the joint"
                : worst == pressing ? "development of pressed bars in the base: thinner bars or a thicker base"
                : "development of hooked bars in the base: thinner bars or a thicker base");
        }

        return Outcome.Ratio(worst, 1);
    }

    private static double Pressed(Standing s, int k, in JointStrength strength)
    {
        var a = JointSections.AtColumnFoot(s, k);
        return s.Code.PressedShare(s.Joints.Column(s), a.N, a.Mx, a.My) > 0 ? strength.Pressed : strength.PressedLeast;
    }

    private static double PressedInPedestal(Standing s, int k, in JointStrength strength)
    {
        var a = JointSections.AtPedestalFoot(s, k);
        return s.Code.PressedShare(s.Joints.Pedestal(s), a.N, a.Mx, a.My) > 0 ? strength.OfPedestal.Full : strength.OfPedestal.Least;
    }

    // Least steel by the force of a combination over the dowels.
    private static double ForForce(Standing s, double n) =>
        s.Code.LeastForForce(n, s.Rules.Steel.Yield) is > 0 and var asked
            ? s.Dowels.Area > 0 ? Math.Min(asked / s.Dowels.Area, Outcome.NoCapacity) : Outcome.NoCapacity
            : 0;

    private static void Tell<T>(Standing s, in SectionAction a, ref T trace)
        where T : struct, ITrace
    {
        trace.Heading("Force and moments where the column stands, in its own axes");
        trace.Given("Pu", a.N, Unit.Force, "of the column");
        trace.Given("Mx", a.Mx, Unit.Moment, "at the joint");
        trace.Given("My", a.My, Unit.Moment, "at the joint");
        trace.Given("f'c", JointSections.AtColumn(s), Unit.Stress,
            "of the column, or of the concrete below with what surrounds it, if less", s.Code.BearingClause);
        trace.Given("As", s.Dowels.Area, Unit.SteelArea, $"dowels, {s.Dowels.ToString()}");
        if (s.Code.LeastForForce(a.N, s.Rules.Steel.Yield) is > 0 and var asked)
        {
            trace.Given("As,force", asked, Unit.SteelArea, "least by the force", s.Code.InterfaceClause);
        }

        if (Math.Abs(a.N) + a.Moment > 0)
        {
            s.Code.TimesHeld(ref trace, s.Joints.Column(s), a.N, a.Mx, a.My);
        }
    }

    private static JointStrength Of<T>(Standing s, bool ofColumn, ref T trace)
        where T : struct, ITrace
    {
        var bars = ofColumn ? s.Dowels : JointSections.Bars(s.Pedestal!);
        var gross = ofColumn ? s.Support.Area : s.Pedestal!.OwnArea;
        trace.Heading(ofColumn ? "Dowels of the column" : "Bars of the pedestal into the base");
        var least = trace.Let("As,least", s.Code.LeastDowels * gross, Unit.SteelArea,
            $"{s.Code.LeastDowels.ToString("0.####", System.Globalization.CultureInfo.InvariantCulture)}·"
                + $"{new Sym("Ag", gross, Unit.SteelArea)}",
            s.Code.InterfaceClause);
        if (bars.Size is not { } size)
        {
            trace.Remark("There are no bars across the joint.");
            return new JointStrength(Outcome.NoCapacity, 0, 0, 0);
        }

        var area = trace.Let("As", bars.Area, Unit.SteelArea,
            $"{new Sym("n", bars.Count, Unit.Ratio)}·{new Sym("Ab", size.Area, Unit.SteelArea)}");
        var (concrete, db) = (s.Rules.Concrete, size.Diameter);
        var foot = ofColumn ? s.ColumnFoot - s.Body.Underside : s.Body.Height;
        var room = trace.Let("room", foot - concrete.CoverBottom - s.Diameter(true) - s.Diameter(false), Unit.Section,
            $"{new Sym("from the joint to the underside", foot, Unit.Section)} − {new Sym("cover", concrete.CoverBottom, Unit.Section)} − "
                + $"{new Sym("bottom bars", s.Diameter(true) + s.Diameter(false), Unit.Section)}");
        var bend = (s.Code.BendDiameter(db) / 2) + db;
        var straight = trace.Let("room,c", room - bend, Unit.Section,
            $"{new Sym("room", room, Unit.Section)} − {new Sym("bend", bend, Unit.Section)}");
        var pressed = s.Code.CompressionDevelopment(ref trace, ofColumn ? JointSections.Supporting(s) : concrete.Strength,
            concrete.Lightweight, s.Rules.Steel.Yield, db);
        var spacing = trace.Given("s", ofColumn ? DowelLap.Gap(s.Code, s.Rules, s.Support, bars) : JointSections.PedestalGap(s),
            Unit.Section, "least distance of neighbouring bars as they stand");
        var edge = s.Body.IsRectangle
            ? Math.Min(((s.Body.Length - s.Outline.FaceX) / 2) - Math.Abs(s.X), ((s.Body.Width - s.Outline.FaceY) / 2) - Math.Abs(s.Y))
            : Math.Min(s.ToEdge(true) - (s.Outline.FaceX / 2), s.ToEdge(false) - (s.Outline.FaceY / 2));
        var pulled = s.Code.HookedDevelopment(ref trace, concrete, new DevelopedBar(size, s.Rules.Steel.Yield, spacing, edge, edge, 0));
        if (ofColumn && db > s.Code.LargestLapped + 1e-9)
        {
            trace.Remark("Bars of this size are not lapped: use thinner dowels.");
            return new JointStrength(Outcome.NoCapacity, 0, 0, 0);
        }

        return new JointStrength(Times(least, area), Times(pressed, straight), Times(Math.Min(pressed, s.Code.LeastPressed(db)), straight),
            Times(pulled, room));
    }

    private static double Times(double needed, double there) =>
        there > 0 ? Math.Min(needed / there, Outcome.NoCapacity) : Outcome.NoCapacity;
}

/// <summary>Shear across the joints below column and pedestal, by friction.</summary>
internal readonly struct InterfaceShear : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static bool KnowsGround => false;

    public static Nothing Capacity(Standing s) => default;

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var none = default(NoTrace);
        var worst = Outcome.NotDone;
        var ofColumn = false;
        if (JointSections.Designed(s))
        {
            (worst, ofColumn) = (Joint(s, k, true, ref none), true);
        }

        if (s.Pedestal is not null)
        {
            var o = Joint(s, k, false, ref none);
            if (!worst.Done || o.Utilisation > worst.Utilisation)
            {
                (worst, ofColumn) = (o, false);
            }
        }

        if (worst.Done && T.Records)
        {
            Joint(s, k, ofColumn, ref trace);
            trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                $"{new Sym("Vu", worst.Demand, Unit.Force)}/{new Sym("φVn", worst.Capacity, Unit.Force)}");
        }

        if (worst.Done && T.Notes && s.Pedestal is not null)
        {
            trace.Note(ofColumn ? "between column and pedestal" : "between pedestal and base");
        }

        return worst;
    }

    private static Outcome Joint<T>(Standing s, int k, bool ofColumn, ref T trace)
        where T : struct, ITrace
    {
        var a = JointSections.AtColumnFoot(s, k);
        trace.Heading(ofColumn ? "Shear across the joint below the column" : "Shear across the joint below the pedestal");
        var vu = trace.Let("Vu", a.Shear, Unit.Force, $"√({new Sym("Fx", a.Fx, Unit.Force)}^2 + {new Sym("Fy", a.Fy, Unit.Force)}^2)");

        // Only what is always there may be counted on, and never more than is there.
        var permanent = 0.0;
        foreach (var term in s.Combinations[k].Terms)
        {
            permanent += s.Place.Cases[term.Case].IsPermanent ? term.Factor * s.Loaded.BroughtCases[term.Case].N : 0;
        }

        var pressing = Math.Min(permanent, a.N);
        trace.Given("Nperm", pressing, Unit.Force, "permanent force on the joint, or all of it if that is less");
        var rules = s.Rules;
        var bars = ofColumn ? s.Dowels : JointSections.Bars(s.Pedestal!);
        var strength = ofColumn
            ? Math.Min(rules.Column.Strength ?? double.PositiveInfinity, JointSections.Supporting(s))
            : Math.Min(JointSections.PedestalStrength(s), rules.Concrete.Strength);
        var joint = new FrictionJoint(strength, rules.Concrete.Lightweight, ofColumn ? s.Support.Area : s.Pedestal!.OwnArea, bars.Area,
            rules.Steel.Yield, pressing, rules.Column.Joint)
        {
            Parted = ofColumn
                ? JointSections.Pulls(a, s.Support)
                : JointSections.Pulls(JointSections.AtPedestalFoot(s, k), s.Pedestal!.SizeX, s.Pedestal.SizeY),
        };
        return Outcome.Ratio(vu, s.Code.ShearFriction(ref trace, joint));
    }
}
