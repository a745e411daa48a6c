using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds;

/// <summary>What plinth.toml states of what stands between a base and a column.</summary>
internal static class HeldUpright
{
    /// <summary>Pedestal and dowels where all of them are stated; null: something is open.</summary>
    /// <param name="foundation">The foundation.</param>
    /// <param name="column">Which column, in the order of the supports.</param>
    public static Upright? Of(Foundation foundation, int column)
    {
        if (foundation.Row?.At(column) is { Carries: false })
        {
            return new Upright(null, BarSpec.None);
        }

        var (stated, rules) = (foundation.Rules.Pedestal, foundation.Rules.Column);
        var supports = foundation.Places.Select(p => p.Supports[column]).ToList();
        Pedestal? pedestal = null;
        if (supports.Exists(stated.Carries))
        {
            if (supports.Exists(stated.HoldsInSocket) || stated is not { SizeX: { } x, Bars: { } bars, Ties: { } ties })
            {
                return null;
            }

            pedestal = new Pedestal(x, stated.SizeY ?? x, stated.Round, bars, ties);
        }

        var jointed = rules.Known && supports.Exists(s => s.IsConcrete);
        return jointed && rules.Dowels is null ? null : new Upright(pedestal, jointed ? rules.Dowels! : BarSpec.None);
    }
}
