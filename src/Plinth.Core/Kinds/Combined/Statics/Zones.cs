using Plinth.Core.Bodies;

namespace Plinth.Core.Kinds.Combined;

/// <summary>Bottom bars across outside all bands: they begin half a distance off the bands' edges.</summary>
internal sealed class InnerZone(Trial trial, int index, string at) : BarZone(trial, index, at, false)
{
    /// <summary>Takes the length that the bands leave.</summary>
    public void Resize(double breadth) => Breadth = breadth;

    public override bool Has(bool bottom) => bottom && Breadth > 1e-6;

    public override bool IsInner => true;

    /// <inheritdoc/>
    public override double Within(bool bottom, double low, double high)
    {
        if (!Has(bottom))
        {
            return 0;
        }

        var free = high - low;
        foreach (var band in ((CombinedTrial)Trial).Bands)
        {
            free -= Math.Max(0, Math.Min(high, band.To) - Math.Max(low, band.From));
        }

        return Layer(bottom).Area * Math.Max(0, free) / Breadth;
    }
}

/// <summary>Top bars across over the whole length.</summary>
internal sealed class WholeZone(Trial trial, int index) : BarZone(trial, index, "top", false)
{
    /// <summary>Takes the length of the body.</summary>
    public void Resize() => Breadth = Body.Length;

    public override double From => Body.LowX;

    public override bool Has(bool bottom) => !bottom;
}
