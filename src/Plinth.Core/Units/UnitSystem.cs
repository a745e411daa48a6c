namespace Plinth.Core.Units;

/// <summary>The family of units in which output is shown. It never moves a result.</summary>
public enum UnitSystem
{
    /// <summary>m, mm, kN, kNm, kPa, MPa.</summary>
    Metric,

    /// <summary>ft, in, kip, kip ft, ksf, psi.</summary>
    Us,
}
