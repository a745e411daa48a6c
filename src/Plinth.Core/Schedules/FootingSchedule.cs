using Plinth.Core.Buildings;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>A row of the footing schedule.</summary>
/// <param name="Foundation">The foundation.</param>
/// <param name="Supports">Its supports, place by place.</param>
/// <param name="NumberOff">How many are built.</param>
/// <param name="Size">Plan and thickness, m.</param>
/// <param name="Underside">Founding level at the first place, m.</param>
/// <param name="Design">Bars as written.</param>
/// <param name="Each">Quantities of one.</param>
public sealed record FootingRow(Foundation Foundation, IReadOnlyList<string> Supports, int NumberOff, BaseSize Size, double Underside,
    FoundationDesign Design, Quantities Each)
{
    /// <summary>The mark.</summary>
    public string Mark => Foundation.Mark;

    /// <summary>Whether it is built already.</summary>
    public bool Existing => Foundation.Held.Built;
}

/// <summary>The footing schedule as data.</summary>
/// <param name="Rows">In natural order of mark.</param>
/// <param name="Total">Quantities of all that is still to be built.</param>
public sealed record FootingSchedule(IReadOnlyList<FootingRow> Rows, Quantities Total)
{
    /// <summary>The schedule of designs in force.</summary>
    public static FootingSchedule Of(Project project, IEnumerable<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        ArgumentNullException.ThrowIfNull(designs);
        var rows = new List<FootingRow>();
        var total = default(Quantities);
        foreach (var (foundation, design) in designs)
        {
            var each = Quantities.Of(project, foundation, design);
            var n = foundation.Places.Count;
            rows.Add(new FootingRow(foundation, [.. foundation.Supports.Select(s => s.Label)], n, design.Size,
                foundation.Places[0].Ground.Underside(design.WholeDepth), design, each));
            total += foundation.Held.Built ? default : n * each;
        }

        return new FootingSchedule(rows, total);
    }
}
