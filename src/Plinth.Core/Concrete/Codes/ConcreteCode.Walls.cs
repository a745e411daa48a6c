namespace Plinth.Core.Concrete.Codes;

/// <content>Concrete walls on their footings.</content>
public abstract partial class ConcreteCode
{
    /// <summary>Clause of walls under force and moment.</summary>
    public abstract string WallFlexureClause { get; }

    /// <summary>Clause of the axial strength of walls.</summary>
    public abstract string WallAxialClause { get; }

    /// <summary>Clause of their least steel and its distances.</summary>
    public abstract string WallSteelClause { get; }

    /// <summary>Thickness from which the bars of a wall that holds back no soil lie in two layers, m.</summary>
    public abstract double TwoLayersFrom { get; }

    /// <summary>Greatest distance of the bars of a wall, m.</summary>
    /// <param name="thickness">Its thickness, m.</param>
    public abstract double MostWallSpacing(double thickness);

    /// <summary>Least steel of a wall over its gross section, upright and level, where shear along it is low.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="upright">Largest diameter of the upright bars, m.</param>
    /// <param name="level">Largest diameter of the level bars, m.</param>
    /// <param name="yield">fy, kPa.</param>
    public abstract (double Upright, double Level) LeastWallSteel<T>(ref T trace, double upright, double level, double yield)
        where T : struct, Tracing.ITrace;

    /// <summary>
    /// φPn on a metre of wall by the simplified method, kN/m: for a resultant within the middle third.
    /// </summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="strength">f'c, kPa.</param>
    /// <param name="thickness">m.</param>
    /// <param name="height">Between supports, m.</param>
    /// <param name="held">Whether top and bottom are held; else the top is free.</param>
    public abstract double WallAxial<T>(ref T trace, double strength, double thickness, double height, bool held)
        where T : struct, Tracing.ITrace;
}
