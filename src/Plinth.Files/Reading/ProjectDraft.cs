namespace Plinth.Files.Reading;

/// <summary>What a project is read with, as if its files said so; they stay as they are.</summary>
/// <param name="Added">Tables of foundations after the end of plinth.toml.</param>
/// <param name="Tables">How many they are.</param>
/// <param name="Freed">Supports that no other table of plinth.toml names.</param>
/// <param name="Without">Marks whose tables are left out of adopted.toml.</param>
public sealed record ProjectDraft(string Added, int Tables, IReadOnlySet<string> Freed, IReadOnlyCollection<string> Without);
