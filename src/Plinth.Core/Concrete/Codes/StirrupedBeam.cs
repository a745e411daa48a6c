namespace Plinth.Core.Concrete.Codes;

/// <summary>A section of a beam in shear. Lengths in m, areas in m2, pressures in kPa.</summary>
/// <param name="Breadth">bw.</param>
/// <param name="Depth">d of the bars on the stretched side.</param>
/// <param name="Steel">As of these bars.</param>
/// <param name="Stirrups">Av: area of the legs of one stirrup.</param>
/// <param name="Spacing">s of the stirrups.</param>
/// <param name="Yield">Specified yield strength of the stirrups.</param>
public readonly record struct StirrupedBeam(double Breadth, double Depth, double Steel, double Stirrups, double Spacing, double Yield);

/// <summary>What a code asks of the stirrups of a section.</summary>
/// <param name="Spacing">Greatest spacing along the beam, m.</param>
/// <param name="Across">Greatest distance of legs across it, m; infinite where none is stated.</param>
/// <param name="Area">Least Av at their spacing, m2; 0 where none are needed.</param>
public readonly record struct StirrupLimits(double Spacing, double Across, double Area);
