using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// Sizes a strip by bars that run through, and then lets fewer run through beside extra ones where that saves enough: sizes stay.
/// </summary>
/// <param name="project">The project.</param>
/// <param name="foundation">The foundation.</param>
/// <param name="through">The search with bars that run through.</param>
internal sealed class CurtailedSizer(Project project, Foundation foundation, FoundationSizer through) : FoundationSizer(project, foundation)
{
    private readonly Checker checker = new(project, foundation);

    /// <summary>The search that the rules ask for: where all bars are to run through, that with these.</summary>
    public static FoundationSizer Of(Project project, Foundation foundation, FoundationSizer through) =>
        foundation.Rules.Steel.Curtail < 1 ? new CurtailedSizer(project, foundation, through) : through;

    /// <inheritdoc/>
    public override SizingResult Size(bool check = false)
    {
        var found = through.Size();
        if (found.Design is null)
        {
            return found;
        }

        var design = new ExtraSearch(checker, Foundation).Find(found.Design);
        return found with { Design = design, Checked = check ? checker.Check(design) : null };
    }

    /// <inheritdoc/>
    public override IReadOnlyList<(string Step, SizingStop? Stop)> Why(FoundationDesign adopted) => through.Why(adopted);

    /// <inheritdoc/>
    public override IReadOnlyList<Alternative> Alternatives() => through.Alternatives();

    /// <inheritdoc/>
    internal override void Release()
    {
        through.Release();
        checker.Release();
    }
}
