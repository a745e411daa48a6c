namespace Plinth.Files.Toml;

/// <summary>The sign that a value may have.</summary>
public enum Sign
{
    /// <summary>Any.</summary>
    Any,

    /// <summary>Zero or more.</summary>
    NotNegative,

    /// <summary>More than zero.</summary>
    Positive,
}
