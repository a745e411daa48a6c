using System.Text;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Files.Adopted;

namespace Plinth.Files.Reading;

/// <summary>A project folder as read, without faults.</summary>
/// <param name="Directory">The folder.</param>
/// <param name="Project">The building.</param>
/// <param name="Adopted">What is adopted, by mark.</param>
/// <param name="AdoptedText">The text of adopted.toml; empty if there is none.</param>
/// <param name="AdoptedEncoding">Its encoding.</param>
/// <param name="Warnings">Doubts that do not stop the work, as printed.</param>
public sealed record LoadedProject(string Directory, Project Project, IReadOnlyDictionary<string, AdoptedEntry> Adopted, string AdoptedText, Encoding AdoptedEncoding, IReadOnlyList<string> Warnings)
{
    /// <summary>Path of adopted.toml.</summary>
    public string AdoptedPath => Path.Combine(Directory, AdoptedReader.FileName);

    /// <summary>The design in force of a foundation, or null if it is not sized.</summary>
    public FoundationDesign? Design(Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        return Adopted.TryGetValue(foundation.Mark, out var entry) ? entry.Design : null;
    }
}
