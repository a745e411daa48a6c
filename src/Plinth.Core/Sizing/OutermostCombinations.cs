
namespace Plinth.Core.Sizing;

/// <summary>
/// The combinations of a place that lie farthest out: of each kind those with the most and least force and with the most of both together
/// in every direction.
/// </summary>
internal static class OutermostCombinations
{
    // Shears turn about the underside by about so much, and a moment counts as a force so many times over m.
    private const double Arm = 1.0;
    private const double PerMetre = 2.0;

    private static readonly (double N, double X, double Y)[] Directions =
    [
        (1, 0, 0), (-1, 0, 0), (1, 1, 0), (1, -1, 0), (1, 0, 1), (1, 0, -1), (1, 1, 1), (1, 1, -1), (1, -1, 1), (1, -1, -1),
        (-1, 1, 0), (-1, -1, 0), (-1, 0, 1), (-1, 0, -1), (-1, 1, 1), (-1, 1, -1), (-1, -1, 1), (-1, -1, -1),
    ];

    /// <summary>Which they are, by index.</summary>
    public static bool[] Of(Bodies.Trial s)
    {
        var result = new bool[s.Combinations.Length];
        var best = new Dictionary<(Loads.Family, bool, bool, double?, Ground.WaterState, bool, bool), (double[] Most, int[] At)>();
        for (var k = 0; k < result.Length; k++)
        {
            var c = s.Combinations[k];
            var key = (c.For, c.Transient, c.Counteracting, c.Least, s.Place.Waters[k], s.Place.Bare[k], s.Place.OffHeel[k]);
            if (!best.TryGetValue(key, out var found))
            {
                found = (new double[Directions.Length], new int[Directions.Length]);
                Array.Fill(found.Most, double.NegativeInfinity);
                best.Add(key, found);
            }

            var a = s.Place.Sums[k];
            var (x, y) = (PerMetre * (a.My + (Arm * a.Fx)), PerMetre * ((Arm * a.Fy) - a.Mx));
            for (var i = 0; i < Directions.Length; i++)
            {
                var (n, dx, dy) = Directions[i];
                if ((n * a.N) + (dx * x) + (dy * y) is var far && far > found.Most[i])
                {
                    (found.Most[i], found.At[i]) = (far, k);
                }
            }
        }

        foreach (var k in best.Values.SelectMany(b => b.At))
        {
            result[k] = true;
        }

        return result;
    }
}
