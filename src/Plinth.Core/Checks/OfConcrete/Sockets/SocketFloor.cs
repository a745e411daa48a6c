using Plinth.Core.Bodies;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>
/// The foot of a column in a smooth socket, as it punches the floor below it: its whole force, no moments, which the walls carry. Keyed
/// faces make column and
/// socket one, so that two-way shear round the socket is all there is (EN 1992-1-1 10.9.6.2).
/// </summary>
internal readonly struct SocketFloor : ICheckRule<Standing, Nothing>
{
    public static ReadOnlySpan<Standing> Of(Trial trial) => trial.Joined;

    public static Nothing Capacity(Standing s) => default;

    public static Outcome Evaluate<T>(Standing s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        var n = s.Brings(k).N;
        if (s.Pedestal?.Socket is not { } socket || s.Rules.Pedestal.Sockets is not { Face: Foundations.SocketFace.Smooth } rules || n <= 0
            || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        trace.Heading("The column's foot on the floor of the socket");
        var below = trace.Let("hf", s.PedestalHeight - socket.Depth - rules.Bed, Unit.Section,
            $"{new Sym("hp", s.PedestalHeight, Unit.Section)} − {new Sym("l", socket.Depth, Unit.Section)} − "
                + $"{new Sym("bed", rules.Bed, Unit.Section)}");
        var d = trace.Let("d", Math.Max(0, below) + s.MeanDepth(true), Unit.Section,
            $"max(0; {new Sym("hf", below, Unit.Section)}) + {new Sym("d,base", s.MeanDepth(true), Unit.Section)}");
        var (cx, cy) = (s.Loaded.Outline.X, s.Loaded.Outline.Y);
        var (bx, by) = (trace.Let("bx", cx + d, Unit.Section, $"{new Sym("cx", cx, Unit.Section)} + {new Sym("d", d, Unit.Section)}"),
            trace.Let("by", cy + d, Unit.Section, $"{new Sym("cy", cy, Unit.Section)} + {new Sym("d", d, Unit.Section)}"));
        var (x0, x1, y0, y1) = (s.X - (bx / 2), s.X + (bx / 2), s.Y - (by / 2), s.Y + (by / 2));
        if (x0 < s.Body.LowX || x1 > s.Body.HighX || Math.Max(-y0, y1) > Math.Min(s.Body.WidthAt(x0), s.Body.WidthAt(x1)) / 2)
        {
            // The sections round the socket, open ones among them, tell then.
            return Outcome.NotDone;
        }

        var water = s.Body.GroundLoad(k).WaterPressure;
        var inside = s.Body.PushedWithin(k, x0, y0, x1, y1).Force + (water * bx * by);

        // What stands on the base presses it too, wherever on it the section leaves it: all of it counts, as in two-way shear round the
        // socket.
        var beside = s.Body.PlacedLoads.Length == 0 ? 0 : s.Body.LoadsWithin(k, x0, y0, x1, y1).Item1;
        var weight = (s.Body.PressedPerArea(k) * bx * by) + s.PrismWeight(k) + beside;
        trace.Given("P", inside, Unit.Force, water > 0 ? "∫(p + u) dA inside the section, exact" : "∫p dA inside the section, exact");
        trace.Given("Win", weight, Unit.Force,
            "factored weights inside, the socket's whole, less the soil displaced, and loads beside the column");
        var deduct = s.Rules.Concrete.Pressure == Concrete.SectionPressure.Net || inside < weight;
        var q = trace.Given("Q", deduct ? inside - weight : inside, Unit.Force,
            deduct ? "P less Win" : "P: weights are not deducted ([concrete] pressure)");
        var vu = trace.Let("Vu", Math.Max(0, n - q), Unit.Force, $"max(0; {new Sym("N", n, Unit.Force)} − {new Sym("Q", q, Unit.Force)})");
        var around = trace.Let("bo", 2 * (bx + by), Unit.Section,
            $"2·({new Sym("bx", bx, Unit.Section)} + {new Sym("by", by, Unit.Section)})");
        var stress = trace.Let("vu", vu / (around * d), Unit.Stress,
            $"{new Sym("Vu", vu, Unit.Force)}/({new Sym("bo", around, Unit.Section)}·{new Sym("d", d, Unit.Section)})");
        var strength = s.Code.TwoWayShear(ref trace, s.Rules.Concrete,
            new TwoWaySection(Math.Max(cx, cy) / Math.Min(cx, cy), 40, around, d), s.Body.Rest is null);
        var result = Outcome.Ratio(stress, strength);
        trace.Let("utilisation", result.Utilisation, Unit.Ratio,
            $"{new Sym("vu", stress, Unit.Stress)}/{new Sym("φvc", strength, Unit.Stress)}");
        return result;
    }
}
