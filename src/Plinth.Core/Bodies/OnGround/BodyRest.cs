using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;
using Plinth.Core.Tracing;

namespace Plinth.Core.Bodies;

/// <summary>What holds a body where the ground's pressure does not: piles.</summary>
internal abstract class BodyRest
{
    /// <summary>Finds what holds it under loads at its centroid; the pressure of the ground is nil.</summary>
    public abstract ContactSolution Hold(int k, in BaseLoads loads);

    /// <summary>What pushes up within a section for two-way shear, with its moments about the body's centroid, kN and kNm.</summary>
    public abstract PressureResultant Within(int k, in PunchingSection section);

    /// <summary>By how much the stress at a corner of a section may be higher, as the piles may stand out of place, kPa.</summary>
    /// <param name="k">The combination.</param>
    /// <param name="section">The section.</param>
    /// <param name="properties">What of it does not depend on loads.</param>
    /// <param name="x">The corner from the section's centroid, m.</param>
    /// <param name="y">The same along y, m.</param>
    public abstract double Spread(int k, in PunchingSection section, in SectionProperties properties, double x, double y);

    /// <summary>Whether all that pushes up does so within a section, so that nothing is to be carried across it.</summary>
    public abstract bool IsWithin(in PunchingSection section);

    /// <summary>Tells how it holds the body.</summary>
    public abstract void Tell<T>(int k, in BaseLoads loads, ref T trace)
        where T : struct, ITrace;

    /// <summary>Tells what pushes up within a section.</summary>
    public abstract void TellWithin<T>(int k, in PunchingSection section, ref T trace)
        where T : struct, ITrace;
}
