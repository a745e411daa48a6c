using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds;

/// <summary>What a kind says of building its foundations alike.</summary>
public class TypesOfKind
{
    /// <summary>Whether one design can stand under both, whatever their loads.</summary>
    public virtual bool MayShare(Foundation one, Foundation other) => true;

    /// <summary>A design of a foundation as it stands under another with which it may be shared.</summary>
    /// <param name="foundation">The other foundation.</param>
    /// <param name="design">The design.</param>
    public virtual FoundationDesign Under(Foundation foundation, FoundationDesign design) => design;

    /// <summary>Whether the kind joins designs to such as may serve more.</summary>
    public virtual bool Joins => false;

    /// <summary>Designs that may serve more foundations, made of those adopted.</summary>
    /// <param name="project">The project.</param>
    /// <param name="first">One of the foundations: all have its rules.</param>
    /// <param name="adopted">The designs adopted for them, each once.</param>
    public virtual IReadOnlyList<FoundationDesign> Joined(Project project, Foundation first, IReadOnlyList<FoundationDesign> adopted) => [];

    /// <summary>The ways in which a design may lie that are not the same base, as drawn first.</summary>
    public virtual IEnumerable<Lie> Lies(FoundationDesign design) => [Lie.AsDrawn];

    /// <summary>Whether it stands off the middle of its column, where the site moved it.</summary>
    public virtual bool IsOffCentre(FoundationDesign design) => false;

    /// <summary>
    /// Plan area below which no design of the thickness and pedestal of this one passes, m2; 0: none is known. What the trials hold is
    /// lost.
    /// </summary>
    /// <param name="trials">The foundation's trials.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="design">The design.</param>
    public virtual double LeastArea(IReadOnlyList<Trial> trials, Foundation foundation, FoundationDesign design) => 0;
}
