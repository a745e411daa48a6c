namespace Plinth.Core.Checks.OfConcrete;

/// <summary>The critical sections of a face with their strengths.</summary>
internal sealed class PunchingFace
{
    /// <summary>The sections.</summary>
    public PunchingSections Sections;

    /// <summary>How many there are.</summary>
    public int Count;

    /// <summary>The effective depth and size for which they were found.</summary>
    public (double Depth, int Generation) FoundFor;

    /// <summary>What of each does not depend on loads.</summary>
    public PunchingProperties Properties;

    /// <summary>What was found in each combination for these sections; null until one was.</summary>
    public (int Version, Outcome Outcome, PunchingStress Stress, int Section)[]? Found;

    /// <summary>Counts the sections that were found, so that what holds for some is not taken for others'.</summary>
    public int Version;

    /// <summary>Gives back the room for what was found.</summary>
    public void Release()
    {
        if (Found is { } found)
        {
            System.Buffers.ArrayPool<(int, Outcome, PunchingStress, int)>.Shared.Return(found);
            Found = null;
        }
    }

    /// <summary>Properties by section.</summary>
    [System.Runtime.CompilerServices.InlineArray(9)]
    internal struct PunchingProperties
    {
        private SectionProperties first;
    }
}

/// <summary>The stress at the worst corner of a section and what it comes from.</summary>
/// <param name="Value">vu, kPa.</param>
/// <param name="Vu">kN.</param>
/// <param name="Mx">Mx,c, kNm.</param>
/// <param name="My">My,c, kNm.</param>
/// <param name="X">The corner from the section's centroid, m.</param>
/// <param name="Y">The same along y.</param>
internal readonly record struct PunchingStress(double Value, double Vu, double Mx, double My, double X, double Y);

/// <summary>What of a critical section does not depend on loads.</summary>
/// <param name="CentroidX">m from the base's centre.</param>
/// <param name="CentroidY">m from the base's centre.</param>
/// <param name="Area">bo·d, m2.</param>
/// <param name="SlopeX">γv,y/Jy: stress per unit moment about y and metre along x.</param>
/// <param name="SlopeY">γv,x/Jx.</param>
/// <param name="Strength">φvc, kPa.</param>
internal readonly record struct SectionProperties(double CentroidX, double CentroidY, double Area, double SlopeX, double SlopeY,
    double Strength);
