namespace Plinth.Core.Contact;

/// <summary>How a base bears.</summary>
public enum ContactState
{
    /// <summary>The resultant lies on or outside the edge, or nothing presses down: there is no equilibrium.</summary>
    NoEquilibrium,

    /// <summary>The whole base bears.</summary>
    Full,

    /// <summary>A part of the base has lifted.</summary>
    Partial,
}

/// <summary>The pressures that hold a base in equilibrium.</summary>
/// <param name="State">How the base bears.</param>
/// <param name="Pressure">The pressure; meaningless without equilibrium.</param>
/// <param name="Share">Area in contact over the area of the base, 0 to 1.</param>
public readonly record struct ContactSolution(ContactState State, PressureField Pressure, double Share)
{
    /// <summary>The answer where there is none.</summary>
    public static readonly ContactSolution None = new(ContactState.NoEquilibrium, default, 0);

    /// <summary>Distance of the zero line from the base's centre, m; infinite under uniform pressure.</summary>
    public double ZeroLineDistance => Math.Abs(Pressure.A) / Math.Sqrt((Pressure.B * Pressure.B) + (Pressure.C * Pressure.C));

    /// <summary>Direction in which the pressure grows, degrees anticlockwise from the base's x; the zero line lies across it.</summary>
    public double GradientAngle => Math.Atan2(Pressure.C, Pressure.B) * 180 / Math.PI;
}
