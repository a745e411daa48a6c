using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Bodies;

/// <summary>A rectangular base whose bars lie in four layers, each spread over its whole breadth.</summary>
public abstract class LayeredTrial : Trial
{
    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    private protected LayeredTrial(Project project, Foundation foundation, LoadedPlace place, int subjects)
        : base(project, foundation, place, subjects)
    {
    }

    /// <summary>Plan size and thickness, m.</summary>
    public BaseSize Size { get; private protected set; }

    /// <summary>Breadth over which bars along an axis are spread, edges of the base included, m.</summary>
    internal virtual double MatBreadth(bool alongX) => alongX ? Size.Width : Size.Length;

    /// <summary>Whether the bars along x lie outermost.</summary>
    public bool OuterIsX => Rules.Steel.OuterIsX(Size);

    /// <summary>Sets the bars; sizes stay.</summary>
    internal abstract void Take(in Reinforcement bars);

    /// <summary>Whether the bars of a layer take hold without hooks.</summary>
    internal abstract bool StraightFits(bool alongX, bool bottom);
}
