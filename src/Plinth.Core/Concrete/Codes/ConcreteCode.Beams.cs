using Plinth.Core.Tracing;

namespace Plinth.Core.Concrete.Codes;

/// <content>Beams with stirrups.</content>
public abstract partial class ConcreteCode
{
    /// <summary>Clause of the shear of beams.</summary>
    public abstract string BeamShearClause { get; }

    /// <summary>Clause of least stirrups and their spacing.</summary>
    public abstract string StirrupClause { get; }

    /// <summary>Clause of the least steel of beams, and of that along their sides.</summary>
    public abstract string BeamSteelClause { get; }

    /// <summary>Design shear strength of a beam, φVn, kN: of its concrete and its stirrups, within what its section may carry.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="beam">The section.</param>
    public abstract double BeamShear<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam)
        where T : struct, ITrace;

    /// <summary>What is asked of the stirrups of a section.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="beam">The section.</param>
    /// <param name="shear">Vu, kN, not negative.</param>
    public abstract StirrupLimits Stirrups<T>(ref T trace, ConcreteRules concrete, in StirrupedBeam beam, double shear)
        where T : struct, ITrace;

    /// <summary>Least steel of the stretched side of a beam, m2; a third more than is required may stand in for it.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="breadth">bw, m.</param>
    /// <param name="depth">d, m.</param>
    public abstract double LeastBeamSteel<T>(ref T trace, ConcreteRules concrete, double yield, double breadth, double depth)
        where T : struct, ITrace;

    /// <summary>Steel over what is required from which no least is asked: 4/3.</summary>
    public abstract double LeastSteelRelief { get; }

    /// <summary>Greatest spacing of stirrups in any beam, m.</summary>
    public abstract double MostStirrupSpacing { get; }

    /// <summary>Depth of a beam beyond which it has bars along its sides, m.</summary>
    public abstract double SideBarsFrom { get; }
}
