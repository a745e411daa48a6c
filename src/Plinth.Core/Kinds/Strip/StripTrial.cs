using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds.Combined;

namespace Plinth.Core.Kinds.Strip;

/// <summary>A strip on ground springs under a row of columns: a base under several columns that bends along x.</summary>
/// <param name="project">The project.</param>
/// <param name="foundation">The foundation.</param>
/// <param name="place">Its place with the loads there.</param>
public sealed class StripTrial(Project project, Foundation foundation, LoadedPlace place) : CombinedTrial(project, foundation, place)
{
}
