using Plinth.Core.Bodies;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>
/// Angular distortion between neighbouring columns of a base that bends on ground springs: the difference of what its springs sink under
/// them over their distance. What the ground rose before the base was cast bends nothing.
/// </summary>
internal readonly struct ColumnDistortion : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Body.Bed is null ? [] : trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Ground.MostDistortion is not { } most || s.Contact(k).State == ContactState.NoEquilibrium)
        {
            return Outcome.NotDone;
        }

        var (worst, first, second) = (-1.0, s.Columns[0], s.Columns[0]);
        for (var i = 1; i < s.Columns.Length; i++)
        {
            var (a, b) = (s.Columns[i - 1], s.Columns[i]);
            var own = Math.Abs(Sinks(s, a, k) - Sinks(s, b, k)) / Distance(a, b);
            (worst, first, second) = own > worst ? (own, a, b) : (worst, first, second);
        }

        if (T.Records)
        {
            BaseLoadCase.Contact(s, k, true, ref trace);
            trace.Heading("Angular distortion");
            var (one, other) = (Tell(s, first, k, ref trace), Tell(s, second, k, ref trace));
            var apart = trace.Given("l", Distance(first, second), Unit.Length, "between their centres");
            trace.Let("distortion", worst, Unit.Ratio,
                $"|{new Sym(BaseLoadCase.Of("w", first), one, Unit.Settlement)} − "
                    + $"{new Sym(BaseLoadCase.Of("w", second), other, Unit.Settlement)}|/{new Sym("l", apart, Unit.Length)}");
            trace.Given("most", most, Unit.Ratio, "[ground] max-distortion");
            trace.Let("utilisation", worst / most, Unit.Ratio,
                $"{new Sym("distortion", worst, Unit.Ratio)}/{new Sym("most", most, Unit.Ratio)}");
        }

        if (T.Notes)
        {
            trace.Note($"between {first.Support.Label} and {second.Support.Label}: 1 in "
                + (worst > 1e-6 ? (1 / worst).ToString("0", System.Globalization.CultureInfo.InvariantCulture) : "∞"));
        }

        return Outcome.Ratio(worst, most);
    }

    /// <summary>What a column settles with the base that it stands on beyond what the overburden pressed before, m.</summary>
    /// <param name="s">The base, on springs.</param>
    /// <param name="c">The column.</param>
    /// <param name="k">The combination.</param>
    /// <param name="overburden">Pressure at the underside before the work, kPa.</param>
    public static double Settles(GroundBody s, Standing c, int k, double overburden) =>
        Math.Max(0, Sinks(s, c, k) - (overburden / s.Bed!.ModulusAt(c.X)));

    private static double Sinks(GroundBody s, Standing c, int k) =>
        s.Bed!.Beam(k) is var beam ? beam.Settlement(c.X) + (beam.Turn * c.Y) : 0;

    private static double Distance(Standing a, Standing b) =>
        Math.Sqrt(((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y)));

    private static double Tell<T>(GroundBody s, Standing c, int k, ref T trace)
        where T : struct, ITrace =>
        trace.Given(BaseLoadCase.Of("w", c), Sinks(s, c, k), Unit.Settlement, "the springs under the column: w(x) + θ·y");
}
