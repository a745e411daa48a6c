using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Bodies;

/// <content>What a trace tells of a body of several bases.</content>
internal static partial class BaseLoadCase
{
    // Base by base, then the beam; the sums have the names that a body of one base gives them.
    private static void TellParts<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.WaterWords(k) is { } words)
        {
            trace.Remark("Water in the ground: " + words);
        }

        if (s.Place.Bare[k])
        {
            trace.Remark("The surcharge is absent: it need not be there");
        }

        var weight = new Sym("γc", s.Rules.Concrete.Weight, Unit.UnitWeight);
        List<FormulaPart> bases = [], blocks = [];
        foreach (var p in s.Parts)
        {
            var g = p.GroundLoad(k);
            Sym Own(string symbol, double value, Unit unit) => new($"{symbol}[{p.At}]", value, unit);
            var (length, width, thick) = (Own("L", p.Length, Unit.Length), Own("B", p.Width, Unit.Length),
                Own("h", p.Thickness, Unit.Length));
            var (w, block, soil) = (Own("Wbase", p.BaseWeight, Unit.Force), Own("Wblock", g.Block, Unit.Force),
                Own("σs", g.SoilPerArea, Unit.Pressure));
            trace.Let(w.Symbol, w.Value, w.Unit, $"{weight}·{length}·{width}·{thick}");
            trace.Given(soil.Symbol, soil.Value, soil.Unit, "weight of the soil over it");
            trace.Let(block.Symbol, block.Value, block.Unit, $"{soil}·{length}·{width}");
            bases.AddRange([new FormulaPart(null, w), new FormulaPart(" + ", default)]);
            blocks.AddRange([new FormulaPart(null, block), new FormulaPart(" + ", default)]);
        }

        var (concrete, over) = (0.0, 0.0);
        var state = (int)s.Place.Waters[k];
        foreach (var l in s.Lines)
        {
            (concrete, over) = (concrete + (l.Concrete * l.Length), over + (l.Soil[state] * l.Length));
        }

        trace.Given("Wbeam", concrete, Unit.Force, "concrete of the beam between the bases and over their tops");
        trace.Given("Wblock[beam]", over, Unit.Force, "soil on the beam between the bases, less that whose place it takes over them");
        trace.Add(new TraceStep(TraceKind.Formula, "Wbase", s.BaseWeight, Unit.Force,
            [.. bases, new FormulaPart(null, new Sym("Wbeam", concrete, Unit.Force))], null));
        trace.Add(new TraceStep(TraceKind.Formula, "Wblock", s.GroundLoad(k).Block, Unit.Force,
            [.. blocks, new FormulaPart(null, new Sym("Wblock[beam]", over, Unit.Force))], null));
        foreach (var c in s.Columns)
        {
            trace.Given(Of("Wdis", c), c.Displacing(k).Displaced, Unit.Force, "soil whose place pedestal and column take");
            if (c.Pedestal is not null)
            {
                trace.Given(Of("Wped", c), c.PedestalWeight, Unit.Force, "weight of the pedestal");
            }
        }

        if (s.HasPedestals)
        {
            trace.Given("Wped", s.PedestalWeight, Unit.Force, "of all pedestals");
        }

        trace.Given("Wdis", s.GroundLoad(k).Displaced, Unit.Force, "of all columns");
        trace.Let("Wsoil", s.GroundLoad(k).Soil, Unit.Force,
            $"{new Sym("Wblock", s.GroundLoad(k).Block, Unit.Force)} − {new Sym("Wdis", s.GroundLoad(k).Displaced, Unit.Force)}");
        if (s.WaterPush(k) is > 0 and var push)
        {
            trace.Given("U", push, Unit.Force, "push of the water on the undersides of bases and beam");
        }
    }

    // What of the whole's pressure stands under one base.
    private static ContactSolution TellPart<T>(GroundBody s, int k, bool withSurcharge, ref T trace)
        where T : struct, ITrace
    {
        var (solution, l) = withSurcharge
            ? (s.Contact(k), s.Loads(k))
            : (s.ContactWithoutSurcharge(k), s.LoadsWithoutSurcharge(k));
        if (solution.State == ContactState.NoEquilibrium)
        {
            return solution;
        }

        var p = solution.Pressure;
        trace.Heading($"Pressure under the {s.At!} base, in its own axes about its middle");
        trace.Given("x,base", s.Middle, Unit.Length, "its middle from the centroid of both areas");
        trace.Given("a", p.A, Unit.Pressure, "pressure at its middle by the plane of the whole");
        trace.Given("b·L/2", p.B * s.Length / 2, Unit.Pressure, "rise from its middle to its edge at +x");
        trace.Given("c·B/2", p.C * s.Width / 2, Unit.Pressure, "rise from its middle to its edge at +y");
        trace.Given("share", solution.Share, Unit.Ratio, "of the base in contact");
        trace.Given("ΣN", l.N, Unit.Force, "∫p dA under this base, exact");
        if (l.N > 0)
        {
            trace.Given("xR", l.XR, Unit.Length, "∫p·x dA over it");
            trace.Given("yR", l.YR, Unit.Length, "∫p·y dA over it");
        }

        return solution;
    }
}
