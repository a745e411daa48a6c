namespace Plinth.Core.Concrete.Codes;

/// <summary>A node of a strut-and-tie model by the ties that it anchors.</summary>
public enum NodeTies
{
    /// <summary>None: struts and bearing alone.</summary>
    None,

    /// <summary>Ties along one direction.</summary>
    OneWay,

    /// <summary>Ties along two.</summary>
    BothWays,
}

/// <content>What it says of caps on piles.</content>
public abstract partial class ConcreteCode
{
    /// <summary>Least effective depth of the bottom bars of a cap on piles, m.</summary>
    public abstract double LeastDepthOverPiles { get; }

    /// <summary>Where that stands.</summary>
    public abstract string PileCapDepthClause { get; }

    /// <summary>Where the share of a pile in a section's shear stands.</summary>
    public abstract string PileShareClause { get; }

    /// <summary>φ of the axial strength of a concrete pile; null: the code leaves it to the general building code.</summary>
    /// <param name="precast">Whether it is precast and driven; else cast in the ground without a casing.</param>
    public abstract double? DeepMemberPhi(bool precast);

    /// <summary>Where strut-and-tie models stand.</summary>
    public abstract string StrutAndTieClause { get; }

    /// <summary>The greatest distance of bars that tie a model wherever they lie, m.</summary>
    public abstract double MostTieSpacing { get; }

    /// <summary>Greatest shear that a section may carry where piles stand nearer to a face than d, φVn, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="breadth">bw, m.</param>
    /// <param name="depth">d, m.</param>
    public abstract double SteepShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth)
        where T : struct, Tracing.ITrace;

    /// <summary>Design strength of a strut in a cap, φFns, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="area">Its section, m2.</param>
    public abstract double Strut<T>(ref T trace, ConcreteRules concrete, double area)
        where T : struct, Tracing.ITrace;

    /// <summary>Design strength of a face of a node, φFnn, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="area">The face, m2.</param>
    /// <param name="ties">The ties that it anchors.</param>
    public abstract double Node<T>(ref T trace, ConcreteRules concrete, double area, NodeTies ties)
        where T : struct, Tracing.ITrace;

    /// <summary>Design strength of a tie, φFnt, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="area">As of its bars, m2.</param>
    /// <param name="yield">fy, kPa.</param>
    public abstract double Tie<T>(ref T trace, double area, double yield)
        where T : struct, Tracing.ITrace;
}
