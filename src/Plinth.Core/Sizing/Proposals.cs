using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Loads;

namespace Plinth.Core.Sizing;

/// <summary>
/// Finds what could stand in place of bases that cannot be built beside each other, or of one for which nothing was found. Nothing is
/// combined by it: it only asks the kinds.
/// </summary>
public static class Proposals
{
    // Bases that hang together are also proposed as one up to so many.
    private const int MostTogether = 4;

    // Away from an edge: within some 45 degrees of straight.
    private const double MostlyAway = 0.7;

    /// <summary>What could stand instead, group by group of bases that hang together, the whole group before its pairs.</summary>
    /// <param name="project">The project.</param>
    /// <param name="near">Bases that overlap or leave a small gap.</param>
    /// <param name="reports">The foundations as sizing left them.</param>
    public static IReadOnlyList<Proposal> Of(Project project, IReadOnlyList<NearBases> near, IReadOnlyList<FoundationReport> reports)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(near);
        ArgumentNullException.ThrowIfNull(reports);
        var places = project.Foundations.SelectMany(f => f.Places.Select(p => (Foundation: f, Place: p)))
            .ToDictionary(p => (p.Foundation.Mark, p.Place.Name), p => p);
        bool Open(string mark, string place) => MayGive(places[(mark, place)].Foundation);
        var cases = Near(near.Where(n => Open(n.First, n.FirstPlace) && Open(n.Second, n.SecondPlace)), places)
            .Concat(reports.Where(r => r.Stop is not null).Select(r => Confined(project, r.Foundation, reports)).OfType<ProposalCase>())
            .Concat(reports.Where(r => r.Stop is not null && r.Foundation.Places is [{ Supports.Count: 1 }] && MayGive(r.Foundation))
                .Select(r => new ProposalCase(ProposalCause.NothingFound, [(r.Foundation, r.Foundation.Places[0])], 0)));
        return [.. cases.SelectMany(c => FoundationKinds.All.Where(k => k.Knows(project.Code)).SelectMany(k => k.Propose(c)))
            .DistinctBy(p => (p.Kind, string.Join('\n', p.Supports.Select(s => s.Label).Order(StringComparer.Ordinal)), p.Held.Trapezoid))];
    }

    // What stands already stays; loads beside a column are given along the base that they stand on, and would be lost.
    private static bool MayGive(Foundation f) => !f.Held.Built && f.Loads.Count == 0;

    private static IEnumerable<ProposalCase> Near(IEnumerable<NearBases> near,
        Dictionary<(string, string), (Foundation Foundation, Place Place)> places)
    {
        // Groups by union of sets (R. E. Tarjan, J. ACM 22 (1975) 215–225, without ranks).
        var leader = new Dictionary<(string, string), (string, string)>();
        (string, string) Leader((string, string) of) => leader.TryGetValue(of, out var up) && up != of ? leader[of] = Leader(up) : of;
        var pairs = near.ToList();
        foreach (var n in pairs)
        {
            leader[Leader((n.First, n.FirstPlace))] = Leader((n.Second, n.SecondPlace));
        }

        foreach (var group in pairs.GroupBy(n => Leader((n.First, n.FirstPlace))))
        {
            var inOrder = group.OrderBy(n => n.Gap)
                .ThenBy(n => n.First, MarkOrder.Natural)
                .ThenBy(n => n.Second, MarkOrder.Natural)
                .ToList();
            var members = group.SelectMany(n => new[] { (n.First, n.FirstPlace), (n.Second, n.SecondPlace) }).Distinct().ToList();
            if (members.Count is > 2 and <= MostTogether)
            {
                yield return Case(inOrder[0].Gap, members);
            }

            foreach (var n in inOrder)
            {
                yield return Case(n.Gap, [(n.First, n.FirstPlace), (n.Second, n.SecondPlace)]);
            }
        }

        ProposalCase Case(double gap, List<(string, string)> members) =>
            new(gap < 0 ? ProposalCause.Overlap : ProposalCause.SmallGap, [.. members.Select(m => places[m])], gap);
    }

    // A base that an edge or the site confines, with the nearest column that lies inward of it.
    private static ProposalCase? Confined(Project project, Foundation foundation, IReadOnlyList<FoundationReport> reports)
    {
        if (foundation.Places is not [{ Supports: [var own] } place] || !MayGive(foundation))
        {
            return null;
        }

        var edges = Outward(foundation, place).ToList();
        if (edges.Count == 0 && project.Site.IsOpen)
        {
            return null;
        }

        var none = reports.Where(r => r.Stop is not null).Select(r => r.Foundation.Mark).ToHashSet(StringComparer.Ordinal);
        (Foundation Foundation, Place Place, double Distance)? nearest = null;
        foreach (var f in project.Foundations.Where(f => f.Mark != foundation.Mark && MayGive(f)))
        {
            foreach (var p in f.Places.Where(p => p.Supports.Count == 1))
            {
                var (x, y) = (p.Support.X - own.X, p.Support.Y - own.Y);
                var distance = Math.Sqrt((x * x) + (y * y));
                var away = edges.Select(e => -((x * e.Normal.X) + (y * e.Normal.Y)) / Math.Max(distance, 1e-9)).ToList();
                var inward = edges.Count == 0
                    ? !none.Contains(f.Mark)
                    : away.TrueForAll(a => a > -1e-6) && away.Exists(a => a > MostlyAway);
                if (distance > 1e-3 && inward && distance < (nearest?.Distance ?? double.PositiveInfinity) - 1e-9)
                {
                    nearest = (f, p, distance);
                }
            }
        }

        return nearest is { } n ? new ProposalCase(ProposalCause.NothingFound, [(foundation, place), (n.Foundation, n.Place)], 0) : null;
    }

    /// <summary>
    /// The held edges of a base at a place: which way each faces in project axes, and how far it lies from its column's centre.
    /// </summary>
    internal static IEnumerable<(PlanPoint Normal, HeldEdge Edge)> Outward(Foundation foundation, Place place)
    {
        var (sin, cos) = SupportAction.SinCosDegrees(place.AngleDegrees);
        var held = foundation.Held;
        foreach (var (edge, x, y) in new[] { (held.EdgeX0, -1, 0), (held.EdgeX1, 1, 0), (held.EdgeY0, 0, -1), (held.EdgeY1, 0, 1) })
        {
            if (edge is { } e)
            {
                var own = place.Lie.Of(new PlanPoint(x, y));
                yield return (new PlanPoint((own.X * cos) - (own.Y * sin), (own.X * sin) + (own.Y * cos)), e);
            }
        }
    }
}
