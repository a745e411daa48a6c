using Plinth.Core.Buildings;

namespace Plinth.Core.Audit;

/// <summary>Reads a project back: what its loads add up to, and what in them is doubtful. Changes nothing.</summary>
public static class Auditor
{
    /// <summary>Audits.</summary>
    /// <param name="project">The project.</param>
    /// <param name="stated">Totals that the analysis reports, by case.</param>
    public static AuditResult Run(Project project, IReadOnlyDictionary<string, StatedTotal> stated)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(stated);
        var d = new AuditData(project);
        List<Finding> findings =
        [
            .. GravityAudit.Direction(d), .. GravityAudit.Stated(d, stated), .. CasesAudit.Empty(d), .. CasesAudit.Alike(d),
            .. CasesAudit.Extremes(d), .. CasesAudit.Symbols(d), .. SupportsAudit.Grounds(d),
        ];

        // With weight that does not press down all else is a consequence, which would hide the cause.
        if (!findings.Exists(f => f.Code is "gravity-sideways" or "gravity-lifts"))
        {
            findings.AddRange(
            [
                .. GravityAudit.Pressure(d), .. GravityAudit.Neighbour(d), .. GravityAudit.Resultant(d), .. CasesAudit.Mirror(d),
                .. CasesAudit.Columns(d),
                .. SupportsAudit.Outliers(d), .. SupportsAudit.Levers(d), .. SupportsAudit.Hinges(d), .. SupportsAudit.Distances(d),
                .. SupportsAudit.Uplift(d),
            ]);
        }

        var cases =
            d.Cases.Select((c, k) => new CaseAudit(c, d.Totals[k], stated.GetValueOrDefault(c.Source), Shares(d, k),
                Enumerable.Range(0, d.Supports.Count).Count(i => d.Action(i, k) != default)));
        return new AuditResult([.. cases], [.. findings.OrderByDescending(f => f.Grade)]);
    }

    private static double[] Shares(AuditData d, int k)
    {
        var n = d.Values(k, a => a.N);
        if (AuditData.IsGravity(d.Cases[k]) || d.Cases[k].Combined is not null)
        {
            var sum = n.Sum();
            return [.. n.Select(v => sum == 0 ? 0 : v / sum)];
        }

        var t = d.Totals[k];
        var size = Math.Sqrt((t.Fx * t.Fx) + (t.Fy * t.Fy));
        return [.. Enumerable.Range(0, d.Supports.Count)
            .Select(i => size == 0 ? 0 : ((d.Action(i, k).Fx * t.Fx) + (d.Action(i, k).Fy * t.Fy)) / (size * size))];
    }
}
