using Plinth.Core.Loads;

namespace Plinth.Core.Bodies;

/// <summary>Where plain concrete may stand in for top bars in a combination (ACI 318 14.1.3, 14.1.4, 18.13.2).</summary>
/// <param name="OnTop">Not where the column is pulled up, nor under an earthquake but in a stated category A to C, nor where the rules
/// forbid it.</param>
internal readonly record struct PlainConcrete(bool OnTop)
{
    public static PlainConcrete Of(Standing s, Combination combination, int k)
    {
        var earthquake = combination.Terms.Any(t => s.Place.Cases[t.Case].Symbol == LoadSymbol.E && t.Factor != 0);
        var pulled = Math.Min(s.Action(k).N, s.Brings(k).N) < -1e-9;
        return new PlainConcrete(s.Trial.Foundation.Kind.MayBePlain && s.Rules.Steel.PlainTop && !pulled
            && (!earthquake || s.Trial.Category is SeismicCategory.A or SeismicCategory.B or SeismicCategory.C));
    }
}
