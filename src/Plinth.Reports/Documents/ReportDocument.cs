using Plinth.Core.Buildings;
using Plinth.Core.Units;

namespace Plinth.Reports.Documents;

/// <summary>An entry of the contents.</summary>
/// <param name="Level">1 or 2.</param>
/// <param name="Text">As its heading.</param>
/// <param name="Anchor">Where it leads.</param>
/// <param name="Tone">What is to be said of it.</param>
/// <param name="Label">The same where there is little room; null: as its heading.</param>
public readonly record struct ContentsEntry(int Level, string Text, string Anchor, Tone Tone = Tone.Plain, string? Label = null)
{
    /// <summary>As it stands where there is little room.</summary>
    public string Brief => Label ?? Text;
}

/// <summary>A report as data; its blocks are made as they are read, so that a writer need not hold them all.</summary>
/// <param name="Project">For header and title.</param>
/// <param name="Title">What it is.</param>
/// <param name="Revision">Its revision; empty: preliminary.</param>
/// <param name="Program">Name and version of what made it.</param>
/// <param name="Units">Which paper suits.</param>
/// <param name="Contents">Chapters and footings, known before the blocks are made.</param>
/// <param name="Blocks">The content in order; may be read once at a time.</param>
public sealed record ReportDocument(ProjectTitle Project, string Title, string Revision, string Program, UnitSystem Units,
    IReadOnlyList<ContentsEntry> Contents, IEnumerable<Block> Blocks)
{
    /// <summary>The revision in words.</summary>
    public string RevisionWords => Revision.Length == 0 ? "preliminary" : "revision " + Revision;

    /// <summary>Name and number of the project.</summary>
    public string ProjectWords => Project.Name + (Project.Number.Length > 0 ? ", " + Project.Number : "");
}
