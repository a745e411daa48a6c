using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Sizing;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// Sizes a strip by bars that run through and stirrups that stand alike, and then, where that saves enough, lets fewer bars run through
/// beside extra ones, and stirrups stand closer about columns alone: sizes stay.
/// </summary>
/// <param name="project">The project.</param>
/// <param name="foundation">The foundation.</param>
/// <param name="through">The search with what is alike all along.</param>
internal sealed class CurtailedSizer(Project project, Foundation foundation, FoundationSizer through) : FoundationSizer(project, foundation)
{
    private readonly Checker checker = new(project, foundation);

    /// <summary>The search that the rules ask for: where all is to be alike all along, that one.</summary>
    public static FoundationSizer Of(Project project, Foundation foundation, FoundationSizer through) =>
        foundation.Rules.Steel is { Curtail: < 1 } or { ZoneStirrups: < 1 } ? new CurtailedSizer(project, foundation, through) : through;

    /// <inheritdoc/>
    public override SizingResult Size(bool check = false)
    {
        var found = through.Size();
        if (found.Design is null)
        {
            return found;
        }

        var (steel, design) = (Foundation.Rules.Steel, found.Design);
        design = steel.Curtail < 1 ? new ExtraSearch(checker, Foundation).Find(design) : design;
        design = steel.ZoneStirrups < 1 && design is RibDesign rib ? new StirrupSearch(checker, Foundation).Find(rib) : design;
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
