using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>One column on one rectangular base.</summary>
public sealed class IsolatedKind : FoundationKind
{
    private static readonly CheckList List = IsolatedChecks.Make();

    /// <inheritdoc/>
    public override string Id => "isolated";

    /// <inheritdoc/>
    public override string Title => "isolated footing";

    /// <inheritdoc/>
    public override string MarkLetters => "F";

    /// <inheritdoc/>
    public override CheckList Checks(ConcreteCode code) => List;

    /// <inheritdoc/>
    public override Trial NewTrial(Project project, Foundation foundation, LoadedPlace place) => new IsolatedTrial(project, foundation, place);

    /// <inheritdoc/>
    public override string? DoubtfullyRigid(Trial trial)
    {
        ArgumentNullException.ThrowIfNull(trial);
        var (body, s) = (trial.Body, trial.Columns[0]);
        var overhang = Math.Max((body.Length / 2) + Math.Abs(s.X) - (s.Outline.X / 2), (body.Width / 2) + Math.Abs(s.Y) - (s.Outline.Y / 2));
        return overhang > 4 * body.Thickness ? "overhang over 4 thicknesses: a rigid base is doubtful" : null;
    }

    /// <inheritdoc/>
    public override FoundationSizer NewSizer(Project project, Foundation foundation) => new IsolatedSizer(project, foundation);
}
