using Plinth.Core.Figures;
using Plinth.Core.Foundations;

namespace Plinth.Core.Bodies;

/// <summary>All forces on a body under several columns, factored, along its x.</summary>
internal static class BodyForces
{
    // What lies on a line or a point beside the columns acts at its own middle.
    /// <summary>The forces, those that are nil left out, the ground's last.</summary>
    /// <param name="body">The body, in equilibrium.</param>
    /// <param name="k">The combination.</param>
    public static IReadOnlyList<BodyForce> Of(GroundBody body, int k)
    {
        var (forces, prisms, turning) = (new List<BodyForce>(), 0.0, 0.0);
        foreach (var c in body.Columns)
        {
            forces.Add(new BodyForce(BodyForceKind.Column, c.Support.Label, c.Action(k).N, c.X, c.My(k)));
            (prisms, turning) = (prisms + c.PrismWeight(k), turning + (c.PrismWeight(k) * c.X));
        }

        forces.Add(Resultant(BodyForceKind.Upright, body.HasPedestals ? "pedestals, less soil displaced" : "soil that the columns displace",
            prisms, turning));
        forces.Add(new BodyForce(BodyForceKind.Weights, body.RibBreadth > 0 ? "base, rib, soil, surcharge" : "base, soil, surcharge",
            body.PressedPerArea(k) * body.Area, 0, 0));
        var (less, turns) = (0.0, 0.0);
        for (var i = 0; i < body.PlacedLoads.Length; i++)
        {
            var (_, at) = body.PlacedLoads[i].Within(true, double.NegativeInfinity, double.PositiveInfinity);
            if (i >= body.Place.Beside)
            {
                var n = body.Place.LoadTerms[k][i].Factor * body.PlacedLoads[i].N;
                (less, turns) = (less + n, turns + (n * at));
                continue;
            }

            var apart = body.IsRectangle || body.Place.Loads[i].Shape != PlanLoadShape.WholeBase;
            forces.Add(new BodyForce(BodyForceKind.Beside, "load beside the columns",
                apart ? body.Place.LoadTerms[k][i].Factor * body.PlacedLoads[i].N : 0, at, 0));
        }

        forces.Add(Resultant(BodyForceKind.Weights, "less what rows that cross weigh twice", less, turns));
        var (rising, hanging) = body.RisingPart(k, true, body.HighX);
        forces.Add(Resultant(BodyForceKind.Rising, "soil that rises with it", rising, hanging));
        forces.Add(new BodyForce(BodyForceKind.Water, "water", -body.GroundLoad(k).WaterPressure * body.Area, 0, 0));
        var p = body.Pushed(k);
        forces.Add(Resultant(BodyForceKind.Ground, "ground", -p.Force, -p.MomentX));
        return [.. forces.Where(f => f.Force != 0 || f.Turns != 0)];
    }

    private static BodyForce Resultant(BodyForceKind kind, string words, double force, double moment) =>
        new(kind, words, force, force == 0 ? 0 : moment / force, 0);
}
