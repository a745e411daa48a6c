using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;

namespace Plinth.Core.Kinds.PileCap;

/// <summary>
/// A cap between two of its columns: the sections where the moment may be greatest either way, which are those at the piles' centres and
/// where the shear passes
/// through nil. Towards +axis it tells what stretches the bottom most, towards −axis what stretches the top.
/// </summary>
internal sealed class CapBetween(CapTrial trial, int index, Standing low, Standing high, bool alongX)
    : SlabSpan(trial, index, $"{low.At}+{high.At}", alongX), ICapSpan
{
    /// <inheritdoc/>
    public MatExtents Mats { get; } = new();

    // Between two piles the shear changes by weights alone: so many sections show where it passes through nil.
    private const int Sections = 8;

    /// <summary>Takes the sides of the body.</summary>
    public void Resize()
    {
        Set(AlongX ? Body.Length : Body.Width, trial.MatBreadth(AlongX));
    }

    public override double From => trial.MatFrom(AlongX);

    public override double Overhang(int side) => 0;

    public override bool PlainOnTop(int k) => false;

    public override double ShortWayFactor => 1;

    public override IEnumerable<(double From, double To)> Bands(bool bottom) => CapStrips.Bands(this, Depth(bottom));

    internal override SectionForces Beyond(int k, int side, double fromFace)
    {
        var (first, second) = low.Face(AlongX, 1) <= high.Face(AlongX, -1) ? (low, high) : (high, low);
        var (from, to) = (first.Face(AlongX, 1), second.Face(AlongX, -1));
        var worst = default(SectionForces) with { Side = 1, At = from, Deduct = 1 };
        if (to <= from + 1e-9)
        {
            return worst;
        }

        var most = double.NegativeInfinity;
        for (var i = 1; i < Sections; i++)
        {
            Look(from + ((to - from) * i / Sections));
        }

        foreach (var p in trial.Piles)
        {
            if (p.Along(AlongX) > from && p.Along(AlongX) < to)
            {
                Look(p.Along(AlongX));
            }
        }

        return worst;

        void Look(double at)
        {
            var f = CapSections.At(trial, k, AlongX, 1, at);
            var m = side > 0 ? f.UpMoment - f.DownMoment : f.DownMoment - f.UpMoment;
            if (m + f.SpreadMoment > most)
            {
                (most, worst) = (m + f.SpreadMoment, f);
            }
        }
    }

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace) =>
        CapSections.Tell(trial, AlongX, forces, k, up, moment, ref trace);
}
