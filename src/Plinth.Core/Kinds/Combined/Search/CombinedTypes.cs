using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>How combined footings are built alike: where their columns stand alike, as drawn.</summary>
internal sealed class CombinedTypes : TypesOfKind
{
    /// <inheritdoc/>
    public override bool MayShare(Foundation one, Foundation other)
    {
        var (a, b) = (one.Places[0].InOwnAxes(), other.Places[0].InOwnAxes());
        return a.Count == b.Count && a.Zip(b).All(p => Place.StandAlike(p.First, p.Second));
    }

    /// <inheritdoc/>
    public override FoundationDesign Under(Foundation foundation, FoundationDesign design)
    {
        var (own, supports) = ((CombinedDesign)design, foundation.Places[0].Supports);
        return own with { At = [.. own.At.Select((a, i) => a with { Label = supports[i].Label })] };
    }
}
