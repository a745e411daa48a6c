using Plinth.Core.Bodies;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Checks.OnGround;

/// <summary>Whether the underside lies below the depth to which the ground freezes.</summary>
internal readonly struct FrostDepth : ICheckRule<GroundBody, Nothing>
{
    public static ReadOnlySpan<GroundBody> Of(Trial trial) => trial.Bodies;

    public static Nothing Capacity(GroundBody s) => default;

    public static Outcome Evaluate<T>(GroundBody s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Ground.FrostDepth is not { } frost)
        {
            return Outcome.NotDone;
        }

        trace.Heading("Frost");
        trace.Given("Df", s.FoundingDepth, Unit.Length, "founding depth below the finished ground");
        trace.Given("df", frost, Unit.Length, "[ground] frost-depth");
        var result = Outcome.Ratio(frost, s.FoundingDepth);
        if (s.FoundingDepth > 0)
        {
            trace.Let("utilisation", result.Utilisation, Unit.Ratio,
                $"{new Sym("df", frost, Unit.Length)}/{new Sym("Df", s.FoundingDepth, Unit.Length)}");
        }

        return result;
    }
}
