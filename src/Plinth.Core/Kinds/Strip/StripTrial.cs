using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// A strip on ground springs under a row of columns: a base under several columns that bends along x, with extra bars where it bends most.
/// </summary>
public sealed class StripTrial : CombinedTrial
{
    private readonly ExtraZones extra;

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="place">Its place with the loads there.</param>
    public StripTrial(Project project, Foundation foundation, LoadedPlace place)
        : base(project, foundation, place) => Long.Extra = extra = new ExtraZones(this, Long, [.. Columns]);

    internal override ExtraZones Extra => extra;

    private protected override void LayExtra(CombinedDesign design) => extra.Lay(((StripDesign)design).Extra);
}
