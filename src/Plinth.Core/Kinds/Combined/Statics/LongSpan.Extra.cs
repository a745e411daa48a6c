using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Schedules;

namespace Plinth.Core.Kinds.Combined;

/// <content>Extra bars along it beside those that run through.</content>
internal sealed partial class LongSpan
{
    /// <summary>Zones of extra bars; null: there are none.</summary>
    public ExtraZones? Extra { get; set; }

    /// <inheritdoc/>
    public string CutClause => "7.7.3";

    /// <summary>Whether a face has extra bars.</summary>
    public bool HasExtra(bool bottom) => Extra?.Any(bottom) == true;

    /// <inheritdoc/>
    public override bool HasBetween(bool bottom, bool atEnds = false) => atEnds ? Extra?.RunsOut(bottom) == true : HasExtra(bottom);

    /// <inheritdoc/>
    public IReadOnlyList<double> Across(bool bottom) =>
        BarPositions.Across(Layer(bottom), Math.Max(Body.LowWidth, Body.HighWidth), Rules.Concrete.CoverSide, []);

    /// <inheritdoc/>
    public IReadOnlyList<double> Beside(bool bottom) =>
        Across(bottom) is var all ? [.. all.Zip(all.Skip(1), (a, b) => (a + b) / 2)] : [];

    // Gross pressure deducts no weights from what pushes the overhangs up; between columns there is but one balance.
    /// <inheritdoc/>
    public double Stretch(bool bottom, int k, in LongSection at)
    {
        if (bottom && Rules.Concrete.Pressure == SectionPressure.Gross && IsBeyond(at.X))
        {
            var side = at.X < 0 ? -1 : 1;
            return Beyond(k, side, side < 0 ? LowFace - at.X : at.X - HighFace).MomentUp;
        }

        return bottom ? at.Moment : -at.Moment;
    }

    /// <inheritdoc/>
    public FlexuralStrength Held<T>(bool bottom, double steel, ref T trace)
        where T : struct, Tracing.ITrace =>
        Code.Flexure(ref trace, Rules.Concrete, Rules.Steel.Yield, steel, Breadth, Depth(bottom));

    /// <inheritdoc/>
    public ReadOnlySpan<BeamShearAt> ShearsByBars(int k) => Shears(k);

    /// <inheritdoc/>
    public double Sheared<T>(bool bottom, double steel, double x, ref T trace)
        where T : struct, Tracing.ITrace =>
        Code.OneWayShear(ref trace, Rules.Concrete, Breadth, Depth(bottom), steel);

    /// <inheritdoc/>
    public double Straight<T>(bool bottom, ref T trace)
        where T : struct, Tracing.ITrace => Anchorage.Straight(this, bottom, ref trace);

    /// <inheritdoc/>
    public double AtEnd<T>(bool bottom, ref T trace)
        where T : struct, Tracing.ITrace => Anchorage.Length(this, bottom, 1, ref trace);
}
