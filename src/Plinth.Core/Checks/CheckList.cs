namespace Plinth.Core.Checks;

/// <summary>The checks of a kind of foundation in the order of results, with the parts by direction that only a search asks.</summary>
public sealed class CheckList
{
    private readonly Check[] all;
    private readonly Check[] parts;

    /// <summary>Makes a list and numbers its checks.</summary>
    /// <param name="all">The checks that results tell.</param>
    /// <param name="parts">Parts of them by direction, for the search.</param>
    public CheckList(IEnumerable<Check> all, IEnumerable<Check> parts)
    {
        (this.all, this.parts) = ([.. all], [.. parts]);
        for (var i = 0; i < this.all.Length; i++)
        {
            this.all[i].Index = i;
        }

        for (var i = 0; i < this.parts.Length; i++)
        {
            this.parts[i].Index = this.all.Length + i;
        }
    }

    /// <summary>The checks that results tell.</summary>
    public ReadOnlySpan<Check> All => all;

    /// <summary>The same as a list.</summary>
    public IReadOnlyList<Check> Listed => all;

    /// <summary>Parts of checks by direction, by which sizing knows what to change; no result names them.</summary>
    public IReadOnlyList<Check> Parts => parts;

    /// <summary>How many checks there are, those for the search included.</summary>
    public int Slots => all.Length + parts.Length;

    /// <summary>The check with an id, or null.</summary>
    public Check? Find(string id) => Array.Find(all, c => string.Equals(c.Id, id, StringComparison.Ordinal));

    /// <summary>A check of the catalogue, done by a rule; by another clause where the kind's own is given.</summary>
    internal static Check Rule<TRule, TSubject, TCapacity>(string id, Func<Concrete.Codes.ConcreteCode, string?>? clause = null,
        bool? gainsByDepth = null)
        where TRule : struct, ICheckRule<TSubject, TCapacity>
        where TSubject : Bodies.Subject
        where TCapacity : struct
    {
        var definition = clause is null ? Definition(id) : Definition(id) with { ClauseOf = clause };
        definition = gainsByDepth is { } gains ? definition with { GainsByDepth = gains } : definition;
        return new Check<TRule, TSubject, TCapacity> { Definition = definition, Decides = definition.Decides };
    }

    /// <summary>The part of a check of the catalogue that the bottom bars along an axis decide.</summary>
    internal static Check Part<TRule, TSubject, TCapacity>(string id, bool alongX)
        where TRule : struct, ICheckRule<TSubject, TCapacity>
        where TSubject : Bodies.Subject
        where TCapacity : struct =>
        new Check<TRule, TSubject, TCapacity> { Definition = Definition(id), Decides = Decides.Bars(alongX, Face.Bottom) };

    private static CheckDefinition Definition(string id) =>
        CheckCatalog.Find(id) ?? throw new ArgumentException($"there is no check {id}", nameof(id));
}
