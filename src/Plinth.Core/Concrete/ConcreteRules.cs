namespace Plinth.Core.Concrete;

/// <summary>Whether the weight on a section counts against upward effects.</summary>
public enum SectionPressure
{
    /// <summary>The factored weight is deducted from the pressure.</summary>
    Net,

    /// <summary>The weight is not deducted from upward effects; it always counts in downward ones.</summary>
    Gross,
}

/// <summary>The concrete of a base and its covers. Pressures in kPa, weights in kN/m3, lengths in m.</summary>
/// <param name="Strength">Specified compressive strength f'c, kPa.</param>
/// <param name="Weight">Unit weight, kN/m3.</param>
/// <param name="CoverBottom">Cover to the lowest bars, m.</param>
/// <param name="CoverSide">Cover at the sides, m.</param>
/// <param name="CoverTop">Cover to the highest bars, m.</param>
/// <param name="Aggregate">Nominal maximum size of aggregate, m.</param>
/// <param name="Blinding">Thickness of the blinding: measured, never relied on, m.</param>
/// <param name="Pressure">Net or gross.</param>
/// <param name="Lightweight">λ; 1 for normal-weight concrete.</param>
/// <param name="ShearPhi">φ for shear in place of the code's 0.75 (21.2.4); null: the code's.</param>
public sealed record ConcreteRules(
    double Strength,
    double Weight,
    double CoverBottom,
    double CoverSide,
    double CoverTop,
    double Aggregate,
    double Blinding,
    SectionPressure Pressure = SectionPressure.Net,
    double Lightweight = 1.0,
    double? ShearPhi = null)
{
    /// <summary>Greatest width of cracks under quasi-permanent loads, m; null: none is stated and none is checked.</summary>
    public double? CrackWidth { get; init; }

    /// <summary>The exposure that covers are held against; null: not stated.</summary>
    public Codes.En1992.Exposure? Exposure { get; init; }

    /// <summary>How far the blinding reaches beyond the base on each side, m.</summary>
    public double BlindingBeyond { get; init; }
}

/// <summary>When sizing gives top bars.</summary>
public enum TopSteel
{
    /// <summary>Where a check needs them.</summary>
    Demand,

    /// <summary>Always, at least minimum steel.</summary>
    Least,

    /// <summary>Never.</summary>
    None,
}

/// <summary>Where both ways of a base get bars of one size and spacing.</summary>
public enum AlikeBars
{
    /// <summary>Nowhere: each way has its least.</summary>
    Never,

    /// <summary>In square bases.</summary>
    Square,

    /// <summary>In all bases.</summary>
    Always,
}

/// <summary>Which bars lie in the outer layer.</summary>
public enum LowerLayer
{
    /// <summary>Those along the longer side; x if square.</summary>
    Longer,

    /// <summary>Those along x.</summary>
    X,

    /// <summary>Those along y.</summary>
    Y,
}

/// <summary>The reinforcement that may be used.</summary>
/// <param name="Yield">Specified yield strength fy, kPa.</param>
/// <param name="Bars">Allowed sizes.</param>
/// <param name="LeastSpacing">Least distance centre to centre, m.</param>
/// <param name="MostSpacing">Greatest distance centre to centre, m.</param>
/// <param name="TopSteel">When top bars are given.</param>
/// <param name="LowerLayer">Which bars lie outermost.</param>
public sealed record SteelRules(double Yield, IReadOnlyList<BarSize> Bars, double LeastSpacing, double MostSpacing, TopSteel TopSteel,
    LowerLayer LowerLayer)
{
    /// <summary>Whether the bars along x of a base lie outermost.</summary>
    /// <param name="size">The base.</param>
    public bool OuterIsX(in Foundations.BaseSize size) => LowerLayer switch
    {
        LowerLayer.X => true,
        LowerLayer.Y => false,
        _ => size.Length >= size.Width,
    };

    /// <summary>Whether the least steel near punched columns is asked (318-19 8.6.1.2).</summary>
    public bool PunchingSteel { get; init; } = true;

    /// <summary>
    /// How far the cross band of a column on a base under several reaches beside it, times the effective depth of its bars.
    /// </summary>
    public double CrossSpread { get; init; } = 0.5;

    /// <summary>
    /// Least share of the bars along a face of a strip that curtailed ones must save, 0 to 1; 1: all bars run through.
    /// </summary>
    public double Curtail { get; init; } = 1;

    /// <summary>
    /// Least share of the stirrups of a rib that closer ones about its columns alone must save, 0 to 1; 1: all stand alike.
    /// </summary>
    public double ZoneStirrups { get; init; } = 1;

    /// <summary>Whether the spacing of bars is also limited for cracks (24.3.2).</summary>
    public bool CrackSpacing { get; init; }

    /// <summary>Whether straight development counts only the steel that is required (25.4.10).</summary>
    public bool AnchorageExcess { get; init; }

    /// <summary>
    /// Whether plain concrete may count on top, where the standard allows it (14.5); else the top has bars wherever it is stretched.
    /// </summary>
    public bool PlainTop { get; init; } = true;

    /// <summary>
    /// Whether the share of an unbalanced moment that flexure transfers is checked within the strip at the column (8.4.2.2).
    /// </summary>
    public bool MomentTransfer { get; init; }

    /// <summary>Whether the short-way bars of rectangular bases are laid in a middle band; else evenly, with more of them.</summary>
    public bool Banded { get; init; }

    /// <summary>Sizes that are used where they suffice, before all others; empty: none preferred.</summary>
    public IReadOnlyList<BarSize> Preferred { get; init; } = [];

    /// <summary>Allowed sizes of top bars; empty: those of the bottom.</summary>
    public IReadOnlyList<BarSize> TopBars { get; init; } = [];

    /// <summary>Where both ways get bars of one size and spacing.</summary>
    public AlikeBars BothWaysAlike { get; init; }

    /// <summary>Whether bars stand at whole steps of spacing; null: they are counted. The step, m.</summary>
    public double? SpacingStep { get; init; }
}
