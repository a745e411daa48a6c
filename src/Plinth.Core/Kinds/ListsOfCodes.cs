using System.Collections.Concurrent;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;

namespace Plinth.Core.Kinds;

/// <summary>The checks of a kind under each code, made once: one list for a code with whatever values a nation gives it.</summary>
/// <param name="make">Makes those of a code.</param>
internal sealed class ListsOfCodes(Func<ConcreteCode, CheckList> make)
{
    private readonly ConcurrentDictionary<string, CheckList> lists = new(StringComparer.Ordinal);

    /// <summary>Those of a code.</summary>
    public CheckList Of(ConcreteCode code) => lists.GetOrAdd(code.Id, _ => make(code));
}
