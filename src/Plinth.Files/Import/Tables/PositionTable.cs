using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <summary>A joint of the model.</summary>
/// <param name="Coordinates">Along the model's axes, as written; null where the table has no such column.</param>
/// <param name="Units">Unit of each.</param>
/// <param name="Label">Label that the table gives it; empty: none.</param>
internal sealed record Joint(RawNumber?[] Coordinates, (ReadUnit Unit, string Text)[] Units, string Label)
{
    /// <summary>Position along an axis of the project, m; null where it is not known.</summary>
    public double? Position(AxisMap axes, int axis)
    {
        var (from, sign) = axes[axis];
        return Coordinates[from] is { } c ? Units[from].Unit.ToBase(sign * c.Value) : null;
    }

    /// <summary>Position along an axis of the project with the digits and the unit it was written in.</summary>
    public (RawNumber Number, ReadUnit Unit, string UnitText)? Written(AxisMap axes, int axis)
    {
        var (from, sign) = axes[axis];
        return Coordinates[from] is { } c ? (sign < 0 ? c.Negated : c, Units[from].Unit, Units[from].Text) : null;
    }
}

/// <summary>The table of positions.</summary>
internal sealed class PositionTable
{
    private static readonly string[] Axes = ["x", "y", "z"];
    private readonly Dictionary<string, Joint> joints = new(StringComparer.Ordinal);

    private PositionTable(bool hasLabels) => HasLabels = hasLabels;

    /// <summary>Whether the table gives labels.</summary>
    public bool HasLabels { get; }

    /// <summary>How many joints it has.</summary>
    public int Count => joints.Count;

    /// <summary>A joint, or null.</summary>
    public Joint? Find(string label) => joints.GetValueOrDefault(label);

    /// <summary>Reads the table; null if it is wrong.</summary>
    public static PositionTable? Read(string directory, TableSpec spec, DiagnosticBag bag, out string? read)
    {
        read = null;
        using var columns = RawColumns.OpenAtData(directory, spec, bag);
        if (columns is null)
        {
            return null;
        }

        var support = columns.IndexOf("support");
        var label = columns.IndexOf("label");
        var at = Axes.Select(columns.IndexOf).ToArray();
        var units = new (ReadUnit, string)[3];
        for (var i = 0; i < 3; i++)
        {
            if (at[i] >= 0 && columns.UnitOf(Axes[i], at[i], bag) is { } unit)
            {
                units[i] = unit;
            }
        }

        var result = new PositionTable(label >= 0);
        var t = columns.Table;
        while (columns.Next())
        {
            var name = t.Text(support).ToString();
            if (t.Fault(support) is { } fault)
            {
                bag.Error(t.Place(support), fault);
                continue;
            }

            if (name.Length == 0)
            {
                continue;
            }

            var coordinates = new RawNumber?[3];
            for (var i = 0; i < 3; i++)
            {
                if (at[i] < 0)
                {
                    continue;
                }

                if (t.TryNumber(at[i], out var n))
                {
                    coordinates[i] = n;
                }
                else
                {
                    bag.Error(t.Place(at[i]),
                        t.Fault(at[i]) ?? $"{columns.Header[at[i]]} \"{t.Text(at[i])}\" of \"{name}\" is not a number");
                }
            }

            if (!result.joints.TryAdd(name, new Joint(coordinates, units, label < 0 ? "" : t.Text(label).ToString())))
            {
                bag.Error(t.Place(support), $"\"{name}\" stands twice among the positions; delete one");
            }
        }

        read = RawText.Describe(columns, result.Count, "joints");
        return result;
    }
}
