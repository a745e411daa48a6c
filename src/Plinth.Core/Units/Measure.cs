namespace Plinth.Core.Units;

/// <summary>
/// What is measured: a physical dimension as powers of force and length (or an angle), with the words a message needs to ask for it.
/// Values of a measure are held in kN, m and their products (pressure in kPa, moment in kNm); angles in degrees.
/// </summary>
/// <param name="Name">The measure with its article, as it stands in a sentence: "a pressure".</param>
/// <param name="ForcePower">Power of force.</param>
/// <param name="LengthPower">Power of length.</param>
/// <param name="Example">A unit to write, for messages: "kPa".</param>
/// <param name="IsAngle">True for angles, which have no force and no length.</param>
/// <param name="Most">The greatest magnitude that is taken for meant, in kN, m, degrees: far above any in a building, and far below where
/// squares and products lose their meaning.</param>
public sealed record Measure(string Name, int ForcePower, int LengthPower, string Example, bool IsAngle = false, double Most = 1e12)
{
    /// <summary>The greatest side, depth or thickness that is taken for meant, m; coordinates of surveys reach further.</summary>
    public const double MostSize = 10_000;

    /// <summary>A length, in m.</summary>
    public static readonly Measure Length = new("a length", 0, 1, "mm", Most: 1e8);

    /// <summary>A force, in kN.</summary>
    public static readonly Measure Force = new("a force", 1, 0, "kN", Most: 1e8);

    /// <summary>A moment, in kNm.</summary>
    public static readonly Measure Moment = new("a moment", 1, 1, "kN m", Most: 1e10);

    /// <summary>A force per length, in kN/m.</summary>
    public static readonly Measure LineLoad = new("a force per length", 1, -1, "kN/m", Most: 1e8);

    /// <summary>A pressure or stress, in kPa.</summary>
    public static readonly Measure Pressure = new("a pressure", 1, -2, "kPa", Most: 1e9);

    /// <summary>A weight per volume or a subgrade modulus, in kN/m3.</summary>
    public static readonly Measure UnitWeight = new("a force per volume", 1, -3, "kN/m3", Most: 1e8);

    /// <summary>An angle, in degrees.</summary>
    public static readonly Measure Angle = new("an angle", 0, 0, "deg", true, 3600);

    private static readonly Measure[] Named = [Length, Force, Moment, LineLoad, Pressure, UnitWeight, Angle];

    /// <summary>Whether <paramref name="other"/> has the same dimension.</summary>
    public bool Matches(Measure other)
    {
        ArgumentNullException.ThrowIfNull(other);
        return ForcePower == other.ForcePower && LengthPower == other.LengthPower && IsAngle == other.IsAngle;
    }

    /// <summary>The name of a dimension for a message: "a force", or its powers if it has no name.</summary>
    public static string NameOf(int force, int length, bool isAngle)
    {
        foreach (var m in Named)
        {
            if (m.ForcePower == force && m.LengthPower == length && m.IsAngle == isAngle)
            {
                return m.Name;
            }
        }

        return $"force^{force} length^{length}";
    }
}
