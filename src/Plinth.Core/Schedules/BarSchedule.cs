using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>A row of the bar schedule (ISO 3766: member, bar mark, type and size, numbers, length, shape, dimensions).</summary>
/// <param name="Member">The foundation's mark.</param>
/// <param name="BarMark">The bar's mark, of its own in the whole schedule: "01".</param>
/// <param name="Group">The bars of one member.</param>
/// <param name="Members">How many members are built.</param>
public sealed record BarRow(string Member, string BarMark, BarGroup Group, int Members)
{
    /// <summary>Bars in all members.</summary>
    public int Total => Members * Group.Count;

    /// <summary>Their mass, kg.</summary>
    public double Mass => Members * Group.Mass;
}

/// <summary>Steel of one size.</summary>
/// <param name="Size">The size.</param>
/// <param name="Length">Of all bars, m.</param>
/// <param name="Mass">kg.</param>
public sealed record SizeTotal(BarSize Size, double Length, double Mass);

/// <summary>The bar schedule as data.</summary>
/// <param name="Rows">By member in natural order, within it bottom, top, pedestal, ties, dowels.</param>
/// <param name="Sizes">Totals by size, thinnest first.</param>
public sealed record BarSchedule(IReadOnlyList<BarRow> Rows, IReadOnlyList<SizeTotal> Sizes)
{
    /// <summary>Mass of all, kg.</summary>
    public double Mass => Sizes.Sum(s => s.Mass);

    /// <summary>The schedule of designs in force; what is built already is not made again.</summary>
    public static BarSchedule Of(Project project, IEnumerable<(Foundation Foundation, FoundationDesign Design)> designs)
    {
        ArgumentNullException.ThrowIfNull(designs);
        var groups = designs.Where(d => !d.Foundation.Held.Built)
            .SelectMany(d => BarList.Of(project, d.Foundation, d.Design).Select(g => (d.Foundation, Group: g)))
            .ToList();
        var digits = Math.Max(2, groups.Count.ToString(CultureInfo.InvariantCulture).Length);
        var rows =
            groups.Select((g, i) => new BarRow(g.Foundation.Mark, (i + 1).ToString(CultureInfo.InvariantCulture).PadLeft(digits, '0'),
                g.Group, g.Foundation.Places.Count)).ToList();
        var sizes = rows.GroupBy(r => r.Group.Size)
            .OrderBy(s => s.Key.Diameter)
            .Select(s => new SizeTotal(s.Key, s.Sum(r => r.Total * r.Group.Shape.Length), s.Sum(r => r.Mass)))
            .ToList();
        return new BarSchedule(rows, sizes);
    }
}
