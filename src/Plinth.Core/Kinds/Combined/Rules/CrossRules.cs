using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Tracing;

namespace Plinth.Core.Kinds.Combined;

/// <summary>
/// Moment across a base under several columns: in each column's band, and where the columns do not stand on one line over the whole length
/// too.
/// </summary>
internal readonly struct CrossFlexure<TFace> : ICheckRule<SlabSpan, FaceStrength>
    where TFace : struct, IFace
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => ((CombinedTrial)trial).AcrossSpans;

    public static double GoverningKey(SlabSpan s) => s is LongSpan ? double.NaN : Flexure<AxisY, TFace>.GoverningKey(s);

    public static FaceStrength Capacity(SlabSpan s) => s is LongSpan ? default : Flexure<AxisY, TFace>.Capacity(s);

    public static Outcome Evaluate<T>(SlabSpan s, in FaceStrength strength, int k, ref T trace)
        where T : struct, ITrace =>
        s is LongSpan whole
            ? LongFlexure<TFace>.Evaluate(whole, default, k, ref trace)
            : Flexure<AxisY, TFace>.Evaluate(s, strength, k, ref trace);
}

/// <summary>
/// Shear across a base under several columns: in each column's tributary strip, at d from the face upward, at the face downward; and where
/// the columns do not stand on one
/// line over the whole length too.
/// </summary>
internal readonly struct CrossShear : ICheckRule<SlabSpan, OneWayStrength>
{
    public static ReadOnlySpan<SlabSpan> Of(Trial trial) => ((CombinedTrial)trial).TributarySpans;

    public static double GoverningKey(SlabSpan s) => s is LongSpan ? double.NaN : OneWayShear<AxisY>.GoverningKey(s);

    public static OneWayStrength Capacity(SlabSpan s) => s is LongSpan ? default : OneWayShear<AxisY>.Capacity(s);

    public static Outcome Evaluate<T>(SlabSpan s, in OneWayStrength strength, int k, ref T trace)
        where T : struct, ITrace =>
        s is LongSpan whole ? LongShear.Evaluate(whole, default, k, ref trace) : OneWayShear<AxisY>.Evaluate(s, strength, k, ref trace);
}
