namespace Plinth.Core.Concrete.Codes;

/// <summary>Flexural strength of a section.</summary>
/// <param name="Strength">φMn, kNm.</param>
/// <param name="Ductile">False where the section holds too much steel for the code: it must be thickened.</param>
/// <param name="Strain">Strain of the tension steel at nominal strength.</param>
public readonly record struct FlexuralStrength(double Strength, bool Ductile, double Strain);

/// <summary>The shape of a section for two-way shear, as the code's coefficients need it.</summary>
/// <param name="Beta">Long over short side of the column.</param>
/// <param name="AlphaS">40, 30, 20 for a section of four, three, two sides.</param>
/// <param name="Perimeter">bo, m.</param>
/// <param name="Depth">d, m.</param>
public readonly record struct TwoWaySection(double Beta, double AlphaS, double Perimeter, double Depth);

/// <summary>A bar that must be developed. Lengths in m, pressures in kPa.</summary>
/// <param name="Size">The bar.</param>
/// <param name="Yield">fy.</param>
/// <param name="Spacing">Centre to centre.</param>
/// <param name="CoverToCentre">Least distance of its centre from a face beside it or below it.</param>
/// <param name="SideCover">Clear cover beside the plane of a hook, and beyond its end.</param>
/// <param name="FreshBelow">Depth of fresh concrete cast below it.</param>
public readonly record struct DevelopedBar(BarSize Size, double Yield, double Spacing, double CoverToCentre, double SideCover,
    double FreshBelow)
{
    /// <summary>Steel required over steel there, where a length may be reduced by it; 1: all of it counts.</summary>
    public double Share { get; init; } = 1;

    /// <summary>Whether the least length counts; it does not within that of a lap, which has its own.</summary>
    public bool WithLeast { get; init; } = true;
}

/// <summary>A dowel that laps with a bar of a column.</summary>
/// <param name="Dowel">The dowel.</param>
/// <param name="Other">The column's bar; null: taken as the same.</param>
/// <param name="Yield">fy, kPa.</param>
/// <param name="Spacing">Centre to centre of the dowels, m.</param>
/// <param name="CoverToCentre">From the column's face to the middle of the bar, m.</param>
public readonly record struct LappedBar(BarSize Dowel, BarSize? Other, double Yield, double Spacing, double CoverToCentre)
{
    /// <summary>The smaller and the larger bar.</summary>
    public (BarSize Smaller, BarSize Larger) Ordered =>
        Other is not { } other ? (Dowel, Dowel) : other.Diameter < Dowel.Diameter ? (other, Dowel) : (Dowel, other);

    /// <summary>One of the bars, upright in the column.</summary>
    public DevelopedBar Developed(BarSize size) => new(size, Yield, Spacing, CoverToCentre, CoverToCentre, 0) { WithLeast = false };
}

/// <summary>A joint in which shear is carried by friction. Lengths in m, pressures in kPa, forces in kN.</summary>
/// <param name="Strength">Lesser f'c of both sides.</param>
/// <param name="Lightweight">λ.</param>
/// <param name="Area">Ac.</param>
/// <param name="Steel">Avf, m2.</param>
/// <param name="Yield">fy of the bars.</param>
/// <param name="Pressing">Permanent force that presses the joint; negative parts it.</param>
/// <param name="Surface">How its surface is left.</param>
public readonly record struct FrictionJoint(double Strength, double Lightweight, double Area, double Steel, double Yield, double Pressing,
    Foundations.JointSurface Surface)
{
    /// <summary>Whether the actions pull at a part of it.</summary>
    public bool Parted { get; init; }
}

/// <summary>What presses on concrete, and how much of it there is round it. Lengths in m.</summary>
/// <param name="FaceX">Its side along x.</param>
/// <param name="FaceY">Its side along y.</param>
/// <param name="BeyondX">Concrete beyond its faces along x, on the side that has less.</param>
/// <param name="BeyondY">The same along y.</param>
/// <param name="Depth">Concrete below it.</param>
public readonly record struct ConcentricSpread(double FaceX, double FaceY, double BeyondX, double BeyondY, double Depth);

/// <summary>A tied column in shear. Lengths in m, pressures in kPa, forces in kN.</summary>
/// <param name="Breadth">bw.</param>
/// <param name="Depth">d.</param>
/// <param name="Gross">Ag.</param>
/// <param name="Axial">Nu, pressing.</param>
/// <param name="Ties">Area of tie legs along the shear.</param>
/// <param name="Spacing">s of the ties.</param>
/// <param name="Yield">fyt.</param>
public readonly record struct ShearColumn(double Breadth, double Depth, double Gross, double Axial, double Ties, double Spacing,
    double Yield);
