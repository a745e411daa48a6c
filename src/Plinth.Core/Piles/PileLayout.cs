using System.Collections.Immutable;
using System.Globalization;
using Plinth.Core.Contact;

namespace Plinth.Core.Piles;

/// <summary>A pattern of piles: where they stand for a distance of centres of 1, from their centroid, rows along x.</summary>
/// <param name="Name">As files write it: "6", "2 x 5".</param>
/// <param name="Unit">Places for a pitch of 1.</param>
/// <param name="Rows">How many rows.</param>
/// <param name="MostInRow">The most in any row.</param>
public sealed record PileLayout(string Name, ImmutableArray<PlanPoint> Unit, int Rows, int MostInRow)
{
    private static readonly double Root3 = Math.Sqrt(3);

    private static readonly PileLayout[] Named =
    [
        Grid("1", 1, 1), Grid("2", 1, 2), Triangle(), Grid("4", 2, 2), Five(), Grid("6", 2, 3), Staggered("7", 2, 3, 2),
        Staggered("8", 3, 2, 3), Grid("9", 3, 3),
        Staggered("10", 3, 4, 3), Staggered("11", 4, 3, 4), Grid("12", 3, 4), Staggered("13", 4, 5, 4), Grid("16", 4, 4),
    ];

    // A grid beyond this is no cap under a column.
    private const int MostAlong = 12;

    /// <summary>How many piles.</summary>
    public int Count => Unit.Length;

    /// <summary>Whether all stand on one line.</summary>
    public bool IsRow => Rows == 1;

    /// <summary>What a layout of own places is called.</summary>
    public const string OwnName = "own";

    /// <summary>Whether its places are own ones, in metres.</summary>
    public bool IsOwn => Name == OwnName;

    /// <summary>Names of the layouts that have one.</summary>
    public static IEnumerable<string> Names => Named.Select(l => l.Name);

    /// <summary>What is wrong with the name of a layout; null: nothing.</summary>
    /// <param name="name">The name.</param>
    public static string? Fault(string name) =>
        Find(name) is null
            ? $"there is no layout \"{name}\"; layouts are {string.Join(", ", Names)}, and \"m x n\" for m rows of n, up to {MostAlong} "
                + "each way"
            : null;

    /// <summary>The layout with a name, or so many rows of so many: "3 x 5"; null: there is none.</summary>
    public static PileLayout? Find(string name)
    {
        ArgumentNullException.ThrowIfNull(name);
        if (Array.Find(Named, l => l.Name == name) is { } known)
        {
            return known;
        }

        var parts = name.Split('x', StringSplitOptions.TrimEntries);
        return parts.Length == 2 && int.TryParse(parts[0], NumberStyles.None, CultureInfo.InvariantCulture, out var rows)
            && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var each)
            && rows is >= 1 and <= MostAlong && each is >= 1 and <= MostAlong
            ? Grid($"{rows} x {each}", rows, each) : null;
    }

    /// <summary>A layout of own places: for a pitch of 1 they stand where they are, from their centroid.</summary>
    /// <param name="places">From any point, m; two or more differ.</param>
    public static PileLayout Own(IReadOnlyList<PlanPoint> places)
    {
        ArgumentNullException.ThrowIfNull(places);
        var middle = Centroid(places);
        var group = new PileGroup();
        group.Set([.. places]);
        return new PileLayout(OwnName, [.. places.Select(p => new PlanPoint(p.X - middle.X, p.Y - middle.Y))], group.Rank == 2 ? 0 : 1, 0);
    }

    /// <summary>The centroid of places, m.</summary>
    public static PlanPoint Centroid(IReadOnlyList<PlanPoint> places) =>
        new(Math.Round(places.Average(p => p.X), 9), Math.Round(places.Average(p => p.Y), 9));

    /// <summary>Where its piles stand from their centroid, m, numbered from −y, then from −x.</summary>
    /// <param name="pitch">Distance of centres, m.</param>
    /// <param name="quarterTurns">Quarter turns of the pattern, anticlockwise.</param>
    public ImmutableArray<PlanPoint> At(double pitch, int quarterTurns)
    {
        PlanPoint Turned(PlanPoint p) =>
            (((quarterTurns % 4) + 4) % 4) switch { 0 => p, 1 => new(-p.Y, p.X), 2 => new(-p.X, -p.Y), _ => new(p.Y, -p.X) };
        return Numbered(Unit.Select(p => Turned(new PlanPoint(p.X * pitch, p.Y * pitch))));
    }

    /// <summary>Places in the order of their numbers: from −y, then from −x.</summary>
    public static ImmutableArray<PlanPoint> Numbered(IEnumerable<PlanPoint> places) =>
        [.. places.OrderBy(p => Math.Round(p.Y, 6)).ThenBy(p => Math.Round(p.X, 6))];

    /// <summary>Least distance between two places, m; infinite of one.</summary>
    public static double Nearest(ReadOnlySpan<PlanPoint> places)
    {
        var least = double.PositiveInfinity;
        for (var i = 0; i < places.Length; i++)
        {
            for (var j = i + 1; j < places.Length; j++)
            {
                least = Math.Min(least, Math.Sqrt(Math.Pow(places[i].X - places[j].X, 2) + Math.Pow(places[i].Y - places[j].Y, 2)));
            }
        }

        return least;
    }

    private static PileLayout Grid(string name, int rows, int each) =>
        new(name,
            [.. Enumerable.Range(0, rows)
                .SelectMany(r => Enumerable.Range(0, each).Select(i => new PlanPoint(i - ((each - 1) / 2.0), r - ((rows - 1) / 2.0))))],
            rows, each);

    private static PileLayout Triangle() => new("3", [new(-0.5, -Root3 / 6), new(0.5, -Root3 / 6), new(0, Root3 / 3)], 2, 2);

    // A square whose middle stands a pitch from its corners.
    private static PileLayout Five()
    {
        var half = Math.Sqrt(2) / 2;
        return new("5", [new(-half, -half), new(half, -half), new(0, 0), new(-half, half), new(half, half)], 3, 2);
    }

    private static PileLayout Staggered(string name, params int[] rows) =>
        new(name,
            [
                .. rows.SelectMany((n, r) => Enumerable.Range(0, n)
                    .Select(i => new PlanPoint(i - ((n - 1) / 2.0), (r - ((rows.Length - 1) / 2.0)) * Root3 / 2)))], rows.Length,
            rows.Max());
}
