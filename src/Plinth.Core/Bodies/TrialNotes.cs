using Plinth.Core.Contact;

namespace Plinth.Core.Bodies;

/// <summary>What is to be said of a design beside its checks.</summary>
internal static class TrialNotes
{
    /// <summary>The remarks on a trial whose design is set.</summary>
    public static IEnumerable<string> Of(Trial trial)
    {
        var notes = new List<string>();
        foreach (var s in trial.Columns)
        {
            if (s.Support.Level is { } level && level > s.ColumnFoot + 1e-9)
            {
                notes.Add(
                    $"the {(s.Support.IsWall ? "wall" : "column")} runs down to the {(s.Pedestal is null ? "base" : "pedestal")}: the "
                        + $"reactions act {Units.Unit.Length.FormatWithSymbol(level - s.ColumnFoot, trial.Units)} above its top, no weight "
                        + $"added{Under(s)}");
            }

            if (s.Outline.Note is { } outline)
            {
                notes.Add(outline + Under(s));
            }
        }

        if (FarOff(trial) is { } off)
        {
            notes.Add(off);
        }

        if (Crosses(trial) is { } crosses)
        {
            notes.Add(crosses);
        }

        if (trial.Foundation.Kind.DoubtfullyRigid(trial) is { } doubt)
        {
            notes.Add(doubt);
        }

        if (!trial.Foundation.Kind.CarriesTorsion && Enumerable.Range(0, trial.Combinations.Length).Any(k => Torsion(trial, k)))
        {
            notes.Add(
                "moment about the vertical exceeds 5 % of the horizontal force times the longer side: it is not carried into any check");
        }

        return notes;
    }

    // EN 1997-1 6.5.4: beyond a third of a side from the middle more is asked than checks can tell.
    private static string? FarOff(Trial trial)
    {
        if (trial.Ground.Design is not { } design || !trial.Foundation.Kind.BearsOnGround)
        {
            return null;
        }

        var (worst, name, many) = (1.0 / 3, "", 0);
        foreach (var body in trial.Bearers)
        {
            for (var k = 0; k < trial.Combinations.Length; k++)
            {
                if (design.Of(trial.Combinations[k].State) is null || body.Loads(k) is not { N: > 0 } l)
                {
                    continue;
                }

                var middle = (body.LowX + body.HighX) / 2;
                var off = Math.Max(Math.Abs(l.XR - middle) / body.Length, Math.Abs(l.YR) / body.Width);
                many += off > 1.0 / 3 ? 1 : 0;
                (worst, name) = off > worst ? (off, trial.Named(k)) : (worst, name);
            }
        }

        return many == 0 ? null
            : string.Create(System.Globalization.CultureInfo.InvariantCulture,
                $"eccentricity exceeds a third of the side under {many} combination{(many == 1 ? "" : "s")}, {worst:0.00} of it under "
                    + $"{name}: EN 1997-1 6.5.4 asks for design values reviewed with care and for tolerances up to 0.10 m");
    }

    // Where a row of a grid crosses others, and what it carries there.
    private static string? Crosses(Trial trial)
    {
        if (trial.Place.Row is not { Shares: { } shares } row)
        {
            return null;
        }

        var at = row.Crossings.Select((c, i) =>
        {
            var share = string.Create(System.Globalization.CultureInfo.InvariantCulture, $"{100 * shares.At[i].Share:0} %");
            var here = c.Carries ? ", joint and punching here" : "";
            return $"{Grids.GridRow.MarkOf(row.Grid, c.Other)} at {trial.Columns[c.Column].Support.Label} ({share}{here})";
        });
        return $"row {row.Number + 1} of the grid {row.Grid}, crosses {string.Join(", ", at)}: both sink alike there, and this one "
            + "carries so much of the column in the sustained combination; each turns freely about its own axis"
            + (row.Across ? "; its bars along lie inside those of the rows that it crosses" : "");
    }

    private static string Under(Standing s) => s.At is null ? "" : $" ({s.At})";

    private static bool Torsion(Trial trial, int k)
    {
        var (fx, fy, twist) = (0.0, 0.0, 0.0);
        foreach (var s in trial.Columns)
        {
            ref readonly var a = ref s.Action(k);
            (fx, fy) = (fx + a.Fx, fy + a.Fy);
            twist += a.Mz + (s.X * a.Fy) - (s.Y * a.Fx);
        }

        var (force, body) = (Math.Sqrt((fx * fx) + (fy * fy)), trial.Body);
        twist = Math.Abs(twist);
        return twist > 0.05 * force * Math.Max(body.Length, body.Width) && twist > 1e-6 * Math.Abs(trial.Place.Sums[k].N) && twist > 0.01
            && body.Contact(k).State != ContactState.NoEquilibrium;
    }
}
