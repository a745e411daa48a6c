using Plinth.Core.Buildings;
using Plinth.Core.Checks.OfConcrete;
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

    /// <summary>Whether bottom bars along an axis are to lie closer in bands: of a rectangular footing those the short way.</summary>
    internal virtual bool IsBanded(bool alongX) =>
        Rules.Steel.Banded && (alongX ? Size.Length < Size.Width - 1e-6 : Size.Width < Size.Length - 1e-6);

    /// <summary>Bottom bars along an axis with so many of them in the bands as belong there; they may become more.</summary>
    internal virtual BarLayer Banded(in BarLayer layer, bool alongX)
    {
        var band = BarGaps.InBand(layer.Count, alongX ? Size.Width / Size.Length : Size.Length / Size.Width);
        return layer with { Band = Math.Min(band, layer.Count) };
    }

    /// <summary>How many bars there may be at most where they lie in bands, of so many that spacing allows evenly.</summary>
    internal virtual int MostBanded(int even, bool alongX)
    {
        var (own, other) = alongX ? (Size.Length, Size.Width) : (Size.Width, Size.Length);
        return (int)(even * (1 + (own / other)) / 2);
    }

    /// <summary>Sets the bars; sizes stay.</summary>
    internal abstract void Take(in Reinforcement bars);

    /// <summary>Whether the bars of a layer take hold without hooks.</summary>
    internal abstract bool StraightFits(bool alongX, bool bottom);
}
