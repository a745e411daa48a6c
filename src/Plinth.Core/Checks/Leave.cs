namespace Plinth.Core.Checks;

/// <summary>The engineer's leave to pass over a check, with the reason; every output says it.</summary>
/// <param name="Check">The check's id.</param>
/// <param name="Mark">The mark or pattern it is for.</param>
/// <param name="UpTo">The utilisation up to which it is accepted; null: the check is waived.</param>
/// <param name="Why">The reason, in the engineer's words.</param>
public sealed record Leave(string Check, string Mark, double? UpTo, string Why)
{
    /// <summary>"waived" or "accepted".</summary>
    public string Word => UpTo is null ? "waived" : "accepted";

    /// <summary>Whether it covers a utilisation.</summary>
    public bool Covers(double utilisation) => UpTo is not { } most || utilisation <= most + 1e-9;
}
