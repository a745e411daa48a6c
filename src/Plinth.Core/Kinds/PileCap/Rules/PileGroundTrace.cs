using Plinth.Core.Piles;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>Tells how what a pile may carry is found from the layers of the ground.</summary>
internal static class PileGroundTrace
{
    /// <summary>In compression, kN; 0 where the layers do not reach down to the toe.</summary>
    public static double Compression<T>(CapTrial cap, ref T trace)
        where T : struct, ITrace
    {
        if (cap.Capacity is not { } c)
        {
            return trace.Given("Rc", 0, Unit.Force, "the layers that are stated end above the toe, or the piles have no length");
        }

        if (T.Records)
        {
            var friction = Friction(cap, c, ref trace);
            var area = new Sym("A", cap.PileRules.Area, Unit.Area);
            trace.Given("A", area.Value, Unit.Area, "of the pile's base");
            var name = Name(c.Under);
            if (c.Under.Undrained is { } su)
            {
                trace.Given("su", su, Unit.Pressure, $"of {name} under the base");
                trace.Let("qb", c.Base, Unit.Pressure,
                    $"{new Sym("9", PileCapacity.BaseInClay, Unit.Ratio)}·{new Sym("su", su, Unit.Pressure)}");
            }
            else
            {
                trace.Given("qb", c.Base, Unit.Pressure,
                    c.Under.Base is null
                        ? $"{name} is under the base, and no base pressure is stated for it: none counts"
                        : $"stated for {name} under the base");
            }

            trace.Let("Qb", c.BaseForce, Unit.Force, $"{new Sym("qb", c.Base, Unit.Pressure)}·{area}");
            trace.Let("Rc", c.Compression, Unit.Force,
                $"({friction} + {new Sym("Qb", c.BaseForce, Unit.Force)})/{new Sym("F", cap.PileRules.Safety, Unit.Ratio)}");
        }

        return c.Compression;
    }

    /// <summary>In tension, kN.</summary>
    public static double Tension<T>(CapTrial cap, ref T trace)
        where T : struct, ITrace
    {
        var c = cap.Capacity!;
        if (T.Records)
        {
            var friction = Friction(cap, c, ref trace);
            trace.Given("W'", c.Weight, Unit.Force,
                (c.Weight > 0
                    ? "of the shaft below the cap, less the water it displaces at its highest"
                    : "the weight of a shaft of steel or timber does not count") + (cap.PileRules.OfStrength ? ", 0.9 of it" : ""));
            trace.Let("Rt", c.Tension, Unit.Force,
                $"{new Sym("share", cap.PileRules.TensionShare, Unit.Ratio)}·{friction}/{new Sym("F", cap.PileRules.Safety, Unit.Ratio)} + "
                    + $"{new Sym("W'", c.Weight, Unit.Force)}");
        }

        return c.Tension;
    }

    private static Sym Friction<T>(CapTrial cap, PileCapacity c, ref T trace)
        where T : struct, ITrace
    {
        var perimeter = new Sym("P", cap.PileRules.Perimeter, Unit.Length);
        trace.Given("P", perimeter.Value, perimeter.Unit, "perimeter of the shaft");
        var parts = new List<FormulaPart>();
        for (var i = 0; i < c.Shaft.Count; i++)
        {
            var s = c.Shaft[i];
            var (mean, length) = (new Sym($"fs[{i + 1}]", s.Friction, Unit.Pressure), new Sym($"l[{i + 1}]", s.To - s.From, Unit.Length));
            var name = Name(s.Layer);
            if (s.Layer is { Undrained: { } su, AdhesionFactor: { } alpha })
            {
                trace.Given("su", su, Unit.Pressure, $"of {name}");
                trace.Let(mean.Symbol, s.Friction, Unit.Pressure, $"{new Sym("α", alpha, Unit.Ratio)}·{new Sym("su", su, Unit.Pressure)}");
            }
            else if (s.Layer.ShaftFactor is { } beta)
            {
                var limit = s.Layer.ShaftLimit is { } most ? $", no more than {Unit.Pressure.FormatWithSymbol(most, cap.Units)}" : "";
                trace.Given("β", beta, Unit.Ratio, $"of {name}");
                trace.Given(mean.Symbol, s.Friction, Unit.Pressure,
                    $"mean of β·σ'v along the shaft in {name}, by the highest water{limit}");
            }
            else
            {
                trace.Given(mean.Symbol, 0, Unit.Pressure, $"no friction is stated for {name}: none counts");
            }

            trace.Given(length.Symbol, length.Value, Unit.Length, $"of the shaft in {name}");
            parts.AddRange([new FormulaPart(i == 0 ? "" : " + ", default), new FormulaPart(null, mean), new FormulaPart("·", default),
                new FormulaPart(null, length)]);
        }

        trace.Add(new TraceStep(TraceKind.Formula, "Σf·l", c.Friction / perimeter.Value, Unit.LineLoad, parts, null));
        var sum = new Sym("Σf·l", c.Friction / perimeter.Value, Unit.LineLoad);
        var force = new Sym("Qs", c.Friction, Unit.Force);
        trace.Let("Qs", c.Friction, Unit.Force, $"{sum}·{perimeter}");
        return force;
    }

    private static string Name(Ground.GroundLayer layer) => layer.Name.Length > 0 ? layer.Name : "the layer";
}
