namespace Plinth.Core.Loads;

/// <summary>What a support applies to its foundation, at the level where the reactions act.</summary>
/// <param name="N">Force downwards, kN; negative lifts.</param>
/// <param name="Fx">Force along +x, kN.</param>
/// <param name="Fy">Force along +y, kN.</param>
/// <param name="Mx">Moment about +x, right-handed, kNm.</param>
/// <param name="My">Moment about +y, right-handed, kNm.</param>
/// <param name="Mz">Moment about +z (up), right-handed, kNm.</param>
public readonly record struct SupportAction(double N, double Fx, double Fy, double Mx, double My, double Mz)
{
    /// <summary>The action that a reaction of the analysis stands for: the reaction turned round, N downwards.</summary>
    /// <param name="fx">Reaction along +x, kN.</param>
    /// <param name="fy">Reaction along +y, kN.</param>
    /// <param name="fz">Reaction along +z, kN; positive holds the column up.</param>
    /// <param name="mx">Reaction moment about +x, kNm.</param>
    /// <param name="my">Reaction moment about +y, kNm.</param>
    /// <param name="mz">Reaction moment about +z, kNm.</param>
    public static SupportAction FromReaction(double fx, double fy, double fz, double mx, double my, double mz) =>
        new(fz, -fx, -fy, -mx, -my, -mz);

    /// <summary>The action from its components in file axes (z up): only N changes its sign.</summary>
    public static SupportAction FromAction(double fx, double fy, double fz, double mx, double my, double mz) =>
        new(-fz, fx, fy, mx, my, mz);

    /// <summary>The same action in axes turned anticlockwise by an angle.</summary>
    /// <param name="degrees">Angle of the new x axis from the old, degrees, anticlockwise from above.</param>
    public SupportAction InAxesTurnedBy(double degrees)
    {
        if (degrees == 0)
        {
            return this;
        }

        var (sin, cos) = SinCosDegrees(degrees);
        return new SupportAction(N, (Fx * cos) + (Fy * sin), (Fy * cos) - (Fx * sin), (Mx * cos) + (My * sin), (My * cos) - (Mx * sin), Mz);
    }

    /// <summary>Sum of two actions at one point.</summary>
    public static SupportAction operator +(in SupportAction a, in SupportAction b) =>
        new(a.N + b.N, a.Fx + b.Fx, a.Fy + b.Fy, a.Mx + b.Mx, a.My + b.My, a.Mz + b.Mz);

    /// <summary>A factored action.</summary>
    public static SupportAction operator *(double factor, in SupportAction a) =>
        new(factor * a.N, factor * a.Fx, factor * a.Fy, factor * a.Mx, factor * a.My, factor * a.Mz);

    /// <summary>Adds, as the operator does.</summary>
    public static SupportAction Add(in SupportAction a, in SupportAction b) => a + b;

    /// <summary>Factors, as the operator does.</summary>
    public static SupportAction Multiply(double factor, in SupportAction a) => factor * a;

    /// <summary>Sine and cosine of an angle in degrees, exact at the quarter turns.</summary>
    public static (double Sin, double Cos) SinCosDegrees(double degrees)
    {
        var turn = Math.IEEERemainder(degrees, 360);
        return turn switch
        {
            0 => (0, 1),
            90 => (1, 0),
            -90 => (-1, 0),
            180 or -180 => (0, -1),
            _ => Math.SinCos(turn * Math.PI / 180),
        };
    }
}
