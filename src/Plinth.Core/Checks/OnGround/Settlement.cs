using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Ground;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>
/// Settlement under the mean pressure beyond the overburden: by the subgrade modulus, by elastic layers, or the larger of both.
/// </summary>
internal readonly struct Settlement : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bearers;

    public static Nothing Capacity(GroundBody s) => default;

    /// <summary>Whether the ground states what a settlement needs.</summary>
    public static bool CanBeFound(GroundRules g) => g.SubgradeModulus is not null || g.Layers.Any(l => l.Modulus is not null);

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Ground.MostSettlement is not { } most || !CanBeFound(s.Ground) || s.Loads(k).N <= 0)
        {
            return Outcome.NotDone;
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s, k, true, ref trace);
        }

        var settles = Of(s, k, ref trace);
        trace.Given("s,most", most, Unit.Settlement, "[ground] max-settlement");
        trace.Let("utilisation", settles / most, Unit.Ratio,
            $"{new Sym("s", settles, Unit.Settlement)}/{new Sym("s,most", most, Unit.Settlement)}");
        if (T.Notes)
        {
            var l = s.Loads(k);
            if (s.Bed is null && s.Contact(k).State != ContactState.NoEquilibrium
                && (s.IsRectangle
                    ? 6 * ((Math.Abs(l.XR) / s.Length) + (Math.Abs(l.YR) / s.Width))
                    : 1 - (s.LeastPressure(k) * s.Area / l.N)) > 0.5)
            {
                trace.Note("mean settlement; the base also tilts, which is not found");
            }
        }

        return Outcome.Ratio(settles, most);
    }

    /// <summary>Mean settlement in a combination, m.</summary>
    public static double Of<T>(GroundBody s, int k, ref T trace)
        where T : struct, ITrace
    {
        var g = s.Ground;
        ref readonly var l = ref s.Loads(k);
        trace.Heading("Settlement");
        var p0 = Bearing.Overburden(s, k, ref trace);
        var q = trace.Let("q", Math.Max(0, (l.N / (s.Length * s.Width)) - p0), Unit.Pressure,
            $"max(0; {new Sym("ΣN", l.N, Unit.Force)}/({new Sym("L", s.Length, Unit.Length)}·{new Sym("B", s.Width, Unit.Length)}) − "
                + $"{new Sym("p0", p0, Unit.Pressure)})");
        var settles = 0.0;
        if (s.Bed is { } bed)
        {
            settles = s.Contact(k).State == ContactState.NoEquilibrium ? Outcome.NoCapacity : OnSprings(s, bed, k, p0, ref trace);
        }
        else if (g.SubgradeModulus is { } modulus)
        {
            settles = trace.Let("s", q / modulus, Unit.Settlement,
                $"{new Sym("q", q, Unit.Pressure)}/{new Sym("ks", modulus, Unit.Subgrade)}");
        }

        if (g.Layers.Any(layer => layer.Modulus is not null))
        {
            var elastic = Elastic(s, q, ref trace);
            settles = g.SubgradeModulus is null
                ? elastic
                : trace.Let("s", Math.Max(settles, elastic), Unit.Settlement,
                    $"max({new Sym("s,ks", settles, Unit.Settlement)}; {new Sym("s,layers", elastic, Unit.Settlement)})");
        }

        return settles;
    }

    // The greatest anywhere on the axis: what the springs are pressed by the overburden sank before.
    private static double OnSprings<T>(GroundBody s, SpringBed bed, int k, double p0, ref T trace)
        where T : struct, ITrace
    {
        var (x, sinks, before) = bed.Sinks(k, p0);
        trace.Given("x", x, Unit.Length, "where the axis settles most, from the base's centroid");
        var w = trace.Given("w", sinks, Unit.Settlement, "the springs under the axis there");
        var ks = trace.Given("ks", p0 == 0 ? 0 : p0 / before, Unit.Subgrade, "subgrade modulus there");
        return p0 == 0 ? w : trace.Let("s", Math.Max(0, w - before), Unit.Settlement,
            $"max(0; {new Sym("w", w, Unit.Settlement)} − {new Sym("p0", p0, Unit.Pressure)}/{new Sym("ks", ks, Unit.Subgrade)})");
    }

    private static double Elastic<T>(GroundBody s, double q, ref T trace)
        where T : struct, ITrace
    {
        var (sum, top, number) = (0.0, 0.0, 0);
        var parts = new List<FormulaPart>();
        if (T.Records)
        {
            trace.Given("0.74", ElasticSettlement.CharacteristicPoint, Unit.Ratio,
                "characteristic point: as far from the centre over the half sides; rigid and flexible base settle alike there",
                "Grasshoff 1955");
        }

        foreach (var layer in s.Ground.Layers)
        {
            number++;
            var (from, to) = (Math.Max(0, top - s.FoundingDepth), top + layer.Thickness - s.FoundingDepth);
            top += layer.Thickness;
            if (to <= 0 || layer.Modulus is not { } e)
            {
                continue;
            }

            var (f1, f2) = (ElasticSettlement.Factor(s.Length, s.Width, ElasticSettlement.CharacteristicPoint, from, layer.Poisson),
                ElasticSettlement.Factor(s.Length, s.Width, ElasticSettlement.CharacteristicPoint, to, layer.Poisson));
            var own = q * (1 - (layer.Poisson * layer.Poisson)) / e * (f2 - f1);
            sum += own;
            if (T.Records)
            {
                var n = number.ToString(CultureInfo.InvariantCulture);
                var name = layer.Name.Length > 0 ? layer.Name : "layer " + n;
                trace.Given("F1" + n, f1, Unit.Length,
                    $"Σ b·Is of the four parts down to the top of {name}, "
                        + $"{Unit.Length.FormatWithSymbol(from, s.Units)} below the underside",
                    "Steinbrenner 1934");
                trace.Given("F2" + n, f2, Unit.Length,
                    $"the same down to its bottom, {(double.IsInfinity(to) ? "without end" : Unit.Length.FormatWithSymbol(to, s.Units))}",
                    "Steinbrenner 1934");
                trace.Let("s" + n, own, Unit.Settlement,
                    $"{new Sym("q", q, Unit.Pressure)}·(1 − {new Sym("ν", layer.Poisson, Unit.Ratio)}^2)/{new Sym("E", e, Unit.Stress)}·"
                        + $"({new Sym("F2" + n, f2, Unit.Length)} − {new Sym("F1" + n, f1, Unit.Length)})",
                    "Steinbrenner 1934");
                if (parts.Count > 0)
                {
                    parts.Add(new FormulaPart(" + ", default));
                }

                parts.Add(new FormulaPart(null, new Sym("s" + n, own, Unit.Settlement)));
            }
        }

        if (T.Records && parts.Count > 0)
        {
            trace.Add(new TraceStep(TraceKind.Formula, "s", sum, Unit.Settlement, parts, null));
        }

        return sum;
    }
}
