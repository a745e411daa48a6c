using Plinth.Core.Foundations;

namespace Plinth.Core.Checks.OnGround;

/// <summary>
/// What of a combination tips at most and presses at least, whatever the base: sums of sizes, by which most combinations need no look.
/// </summary>
/// <param name="AlongX">Moments along x, kNm.</param>
/// <param name="ShearX">Shears along x, kN.</param>
/// <param name="AlongY">Moments along y, kNm.</param>
/// <param name="ShearY">Shears along y, kN.</param>
/// <param name="Up">Forces that lift, kN.</param>
/// <param name="Down">Forces that press and may resist, kN.</param>
internal readonly record struct TippingBound(double AlongX, double ShearX, double AlongY, double ShearY, double Up, double Down)
{
    /// <summary>The bounds of all combinations at a place.</summary>
    public static TippingBound[] Of(LoadedPlace place, IReadOnlyList<Loads.Combination> combinations, bool variableResists)
    {
        var result = new TippingBound[combinations.Count];
        foreach (var support in place.Supports)
        {
            var actions = support.CaseActions;
            for (var k = 0; k < result.Length; k++)
            {
                var (ax, sx, ay, sy, up, down) = result[k];
                foreach (var term in combinations[k].Terms)
                {
                    if (term.Case == place.SurchargeCase)
                    {
                        continue;
                    }

                    ref readonly var a = ref actions[term.Case];
                    var f = Math.Max(Math.Abs(term.Tips), Math.Abs(term.Holds));
                    (ax, sx, ay, sy) = (ax + (f * Math.Abs(a.My)), sx + (f * Math.Abs(a.Fx)), ay + (f * Math.Abs(a.Mx)),
                        sy + (f * Math.Abs(a.Fy)));
                    var force = (term.Factor * a.N < 0 ? term.Tips : term.Holds) * a.N;
                    up += Math.Max(0, -force);
                    down += place.Cases[term.Case].IsPermanent || variableResists ? Math.Max(0, force) : 0;
                }

                result[k] = new TippingBound(ax, sx, ay, sy, up, down);
            }
        }

        return result;
    }
}
