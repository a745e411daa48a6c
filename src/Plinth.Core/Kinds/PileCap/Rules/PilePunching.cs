using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Piles;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>A critical section round a pile, or round two whose sections overlap, and what it may carry.</summary>
/// <param name="First">The pile.</param>
/// <param name="Second">The other; −1: round the first alone.</param>
/// <param name="Area">Plan area within, m2.</param>
/// <param name="Strength">φVc, kN.</param>
internal readonly record struct PunchedPiles(int First, int Second, double Area, double Strength);

/// <summary>The critical sections of all piles of a cap, found again only when size or depth have changed.</summary>
internal sealed class CapPunching
{
    private readonly List<PunchedPiles> sections = [];
    private (int Generation, double Depth) foundFor = (-1, 0);

    /// <summary>The sections.</summary>
    public List<PunchedPiles> Of(CapTrial t)
    {
        var wanted = (t.Generation, t.Columns[0].MeanDepth(true));
        if (foundFor != wanted)
        {
            foundFor = wanted;
            sections.Clear();
            Find(t, wanted.Item2);
        }

        return sections;
    }

    private void Find(CapTrial t, double depth)
    {
        var none = default(NoTrace);
        foreach (var p in t.Piles)
        {
            if (PilePunching.Section(p, p) is not { } own)
            {
                continue;
            }

            sections.Add(new PunchedPiles(p.Index, -1, own.Area, PilePunching.Strength(p, own, ref none)));
            foreach (var q in t.Piles)
            {
                var (dx, dy) = (q.X - p.X, q.Y - p.Y);
                if (q.Index > p.Index && Math.Sqrt((dx * dx) + (dy * dy)) < t.PileRules.Side + depth - 1e-9
                    && PilePunching.Section(p, q) is { } pair)
                {
                    sections.Add(new PunchedPiles(p.Index, q.Index, pair.Area, PilePunching.Strength(p, pair, ref none)));
                }
            }
        }
    }
}

/// <summary>Punching of the cap by a pile at d/2 round it, and round two whose sections overlap (ACI 318 13.4, 22.6).</summary>
internal readonly struct PilePunching : ICheckRule<Pile, Nothing>
{
    public static ReadOnlySpan<Pile> Of(Trial trial) => trial.Piles;

    public static double GoverningKey(Pile s) => s.Trial.Looking == Face.Bottom ? Depth(s) : double.NaN;

    public static Nothing Capacity(Pile s) => default;

    public static Outcome Evaluate<T>(Pile p, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (!p.LooksAt(Face.Bottom) || p.Trial.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var cap = (CapTrial)p.Trial;
        if (MeetsColumn(p))
        {
            trace.Note("the section cuts a column's outline: shear at the face and the strut-and-tie model hold in its place");
            return Outcome.Ratio(0, 0) with { Face = Face.Bottom };
        }

        var (worst, other) = (Outcome.NotDone, default(Pile));
        foreach (var s in cap.Punching.Of(cap))
        {
            if (s.First != p.Index || (s.Second >= 0 && MeetsColumn(cap.Piles[s.Second])))
            {
                continue;
            }

            var second = s.Second < 0 ? null : cap.Piles[s.Second];
            var o = Outcome.Ratio(Demand(cap, k, p, second, s.Area), s.Strength);
            if (!worst.Done || o.Utilisation > worst.Utilisation * (1 + 1e-12))
            {
                (worst, other) = (o, second);
            }
        }

        if (!worst.Done)
        {
            trace.Note("the section would be open to opposite edges: one-way shear alone holds");
            return Outcome.Ratio(0, 0) with { Face = Face.Bottom };
        }

        if (T.Records)
        {
            Tell(cap, k, p, other, ref trace);
            if (worst.Capacity > 0)
            {
                trace.Let("utilisation", worst.Utilisation, Unit.Ratio,
                    $"{new Sym("Vu", worst.Demand, Unit.Force)}/{new Sym("φVc", worst.Capacity, Unit.Force)}");
            }
        }

        if (T.Notes)
        {
            var open = Section(p, other ?? p)!.Value.Open;
            trace.Note((other is null ? "round the pile" : $"round it and {other.Name} together")
                + (open == 0 ? ", closed"
                    : open == 1 ? ", open to an edge"
                    : open == 2 ? ", open to two edges"
                    : ", open to the three edges of its tip"));
        }

        return worst with { Face = Face.Bottom };
    }

    private static bool MeetsColumn(Pile p)
    {
        var r = (Side(p) + Depth(p)) / 2;
        foreach (var c in p.Trial.Columns)
        {
            var (dx, dy) = (Math.Max(0, Math.Abs(p.X - c.X) - (c.Outline.X / 2)), Math.Max(0, Math.Abs(p.Y - c.Y) - (c.Outline.Y / 2)));
            if (Math.Sqrt((dx * dx) + (dy * dy)) < r - 1e-9)
            {
                return true;
            }
        }

        return false;
    }

    private static double Side(Pile p) => p.Rules.Piles.Side;

    private static double Depth(Pile p) => p.Trial.Columns[0].MeanDepth(true);

    internal static PileSection? Section(Pile p, Pile q)
    {
        var depth = Depth(p);
        return depth <= 0
            ? null
            : PileSection.Shortest(p.Trial.Body.Outline, new PlanPoint(p.X, p.Y), new PlanPoint(q.X, q.Y), (Side(p) + depth) / 2,
                p.Rules.Piles.Shape == PileShape.Square);
    }

    internal static double Strength<T>(Pile p, in PileSection section, ref T trace)
        where T : struct, ITrace
    {
        var depth = Depth(p);
        return p.Code.TwoWayShear(ref trace, p.Rules.Concrete, new TwoWaySection(1, section.AlphaS, section.Perimeter, depth),
            ofFooting: false) * section.Perimeter * depth;
    }

    // The pile, or both, in place and out of it in the direction that is worst, with the water and less the weight within.
    private static double Demand(CapTrial cap, int k, Pile p, Pile? q, double area)
    {
        var (force, g) = (cap.Group.Force(k, p.Index), cap.Group.Group.Response(p.Index));
        if (q is not null)
        {
            var h = cap.Group.Group.Response(q.Index);
            (force, g) = (force + cap.Group.Force(k, q.Index), new PlanPoint(g.X + h.X, g.Y + h.Y));
        }

        return Math.Max(0, force + cap.Group.SpreadOf(k, g) - ((cap.Body.PressedPerArea(k) - cap.Body.GroundLoad(k).WaterPressure) * area));
    }

    private static void Tell<T>(CapTrial cap, int k, Pile p, Pile? q, ref T trace)
        where T : struct, ITrace
    {
        BaseLoadCase.Contact(cap.Body, k, true, ref trace);
        var section = Section(p, q ?? p)!.Value;
        trace.Heading($"Punching by {p.Name}" + (q is null ? "" : $" and {q.Name}"));
        var (dx, dy) = (new Sym("dx", cap.Columns[0].Depth(true, true), Unit.Section),
            new Sym("dy", cap.Columns[0].Depth(false, true), Unit.Section));
        var depth = trace.Let("d", Depth(p), Unit.Section, $"({dx} + {dy})/2");
        trace.Let("r", (Side(p) + depth) / 2, Unit.Section,
            $"({new Sym("D", Side(p), Unit.Section)} + {new Sym("d", depth, Unit.Section)})/2");
        trace.Given("bo", section.Perimeter, Unit.Section, section.Open == 0
            ? "closed: 2π·r" + (q is null ? "" : " and twice the distance of both")
            : "r·(π − ω), ω the turn between the open edges, and the straight runs to them"
                + (q is null ? "" : ", with the sides between both that face away"));
        var force = cap.Group.Force(k, p.Index) + (q is null ? 0 : cap.Group.Force(k, q.Index));
        var (g, h) = (cap.Group.Group.Response(p.Index), q is null ? default : cap.Group.Group.Response(q.Index));
        var off = cap.Group.SpreadOf(k, new PlanPoint(g.X + h.X, g.Y + h.Y));
        var load = q is null
            ? new Sym($"R[{p.Number}]", force, Unit.Force)
            : new Sym("R",
                trace.Let("R", force, Unit.Force,
                    $"{new Sym($"R[{p.Number}]", cap.Group.Force(k, p.Index), Unit.Force)} + "
                        + $"{new Sym($"R[{q.Number}]", cap.Group.Force(k, q.Index), Unit.Force)}"),
                Unit.Force);
        trace.Given("ΔR", off, Unit.Force, "more where the piles stand out of place in the direction that is worst: |ΣN|·δ·√(b'² + c'²)");
        var (w, u, area) = (cap.Body.PressedPerArea(k), cap.Body.GroundLoad(k).WaterPressure, section.Area);
        trace.Given("w", w, Unit.Pressure, "factored weight of cap, soil and surcharge per area");
        trace.Given("u", u, Unit.Pressure, "pressure of the water");
        trace.Given("A,in", area, Unit.Area, q is null ? "within the section" : "within the section, no more than it has");
        trace.Let("Vu", Math.Max(0, force + off - ((w - u) * area)), Unit.Force,
            $"max(0; {load} + {new Sym("ΔR", off, Unit.Force)} − ({new Sym("w", w, Unit.Pressure)} − {new Sym("u", u, Unit.Pressure)})·"
                + $"{new Sym("A,in", area, Unit.Area)})");
        var strength = p.Code.TwoWayShear(ref trace, p.Rules.Concrete, new TwoWaySection(1, section.AlphaS, section.Perimeter, depth),
            ofFooting: false);
        trace.Let("φVc", strength * section.Perimeter * depth, Unit.Force,
            $"{new Sym("φvc", strength, Unit.Stress)}·{new Sym("bo", section.Perimeter, Unit.Section)}·"
                + $"{new Sym("d", depth, Unit.Section)}");
    }
}
