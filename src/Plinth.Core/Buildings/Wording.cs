using System.Globalization;
using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Core.Buildings;

/// <summary>Results in words, the same on the screen, on drawings and in reports.</summary>
public static class Wording
{
    /// <summary>A utilisation; a fail never prints as 1.00.</summary>
    public static string Utilisation(double value, bool passes)
    {
        if (passes)
        {
            // What is only shown may be more than is there.
            return (value > Checks.Outcome.Limit ? value : Math.Min(value, 1)).ToString("0.00", CultureInfo.InvariantCulture);
        }

        var up = Math.Ceiling((value * 100) - 1e-7) / 100;
        return up <= 1 ? ">1.00" : up.ToString("0.00", CultureInfo.InvariantCulture);
    }

    /// <summary>How much actions may grow, rounded down: never more than there is; a dash where it fails without any.</summary>
    public static string Room(double room) =>
        room <= -1 ? "—"
            : room >= Checker.MostRoom ? string.Create(CultureInfo.InvariantCulture, $">{room * 100:0} %")
            : string.Create(CultureInfo.InvariantCulture, $"{Math.Floor((room * 100) + 1e-6):0} %").Replace('-', '−');

    /// <summary>Pass or fail as a sign and a word, the engineer's leave named.</summary>
    public static string Verdict(CheckResult check)
    {
        ArgumentNullException.ThrowIfNull(check);
        return check.Outcome.Shown ? "shown"
            : check.Allowed || check.Leave is { UpTo: null } ? "✓ " + check.Leave!.Word
            : check.Passes ? "✓ ok"
            : "✗ FAIL";
    }

    /// <summary>The same of a foundation.</summary>
    public static string Verdict(FoundationReport report)
    {
        ArgumentNullException.ThrowIfNull(report);
        return report.Result is not { } result ? "✗ not sized"
            : result.Passes && result.Checks.FirstOrDefault(c => c.Allowed) is { } allowed ? "✓ " + allowed.Leave!.Word
            : result.Passes ? "✓ ok"
            : "✗ FAIL";
    }

    /// <summary>The combination of a result, with water and surcharge where they matter.</summary>
    public static string Combination(CheckResult check)
    {
        ArgumentNullException.ThrowIfNull(check);
        return check.Combination is null ? "—"
            : string.Join(", ", new[] { check.Combination, check.Water, check.Surcharge }.OfType<string>());
    }

    /// <summary>What is not checked of some foundations, and what would have it checked.</summary>
    public static string NotChecked(Project project, IReadOnlyList<Foundation> foundations)
    {
        ArgumentNullException.ThrowIfNull(foundations);
        var missing = foundations.SelectMany(f => Checks.NotChecked.Of(project, f).Select(n => (n.Id, n.Missing, f.Mark)))
            .GroupBy(n => n.Missing)
            .Select(g => (g.Key, Ids: g.Select(n => n.Id).Distinct().ToList(), Marks: g.Select(n => n.Mark).Distinct().ToList()))
            .OrderBy(g => g.Key is null);
        return "Not checked: "
            + string.Join("; ",
                missing.Select(g => string.Join(", ", g.Ids) + (g.Key is null ? "" : $" ({g.Key})")
                    + (g.Marks.Count < foundations.Count ? " of " + Marks(g.Marks) : ""))) + ".";
    }

    /// <summary>Marks, the first few by name.</summary>
    public static string Marks(IReadOnlyList<string> marks)
    {
        ArgumentNullException.ThrowIfNull(marks);
        return marks.Count <= 6
            ? string.Join(", ", marks)
            : string.Join(", ", marks.Take(5)) + string.Create(CultureInfo.InvariantCulture, $" and {marks.Count - 5} more");
    }

    /// <summary>
    /// Plan size of a design under a heading with the unit: 2.40 × 2.40, 9'-0" × 9'-0", of a trapezoid with both widths, 5.50 × 2.50/1.10;
    /// of a cap with its piles.
    /// </summary>
    public static string Plan(FoundationDesign design, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (design.Bases.Count > 1)
        {
            return string.Join(" + ",
                design.Bases.Select(b => $"{Dimension.PlainPlan(b.Length, units)} × {Dimension.PlainPlan(b.Width, units)}"));
        }

        var (size, end) = (design.Size, design.EndWidth);
        return $"{Dimension.PlainPlan(size.Length, units)} × {Dimension.PlainPlan(size.Width, units)}"
            + (end == size.Width ? "" : "/" + Dimension.PlainPlan(end, units))
            + (design.OutlineName.Length == 0 ? "" : " " + design.OutlineName)
            + Piles(design);
    }

    /// <summary>The whole size of a design: of a trapezoid with both widths, of a cap with its piles.</summary>
    public static string Size(FoundationDesign design, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(design);
        if (design.Bases.Count > 1)
        {
            return string.Join(" + ", design.Bases.Select(b => Size(b, units)));
        }

        var size = design.EndWidth == design.Size.Width ? Size(design.Size, units)
            : $"{Dimension.PlainPlan(design.Size.Length, units)} × "
                + $"{Dimension.PlainPlan(design.Size.Width, units)}/{Dimension.Plan(design.EndWidth, units)} × "
                + $"{Dimension.Section(design.Size.Thickness, units)}";
        return size + (design.OutlineName.Length == 0 ? "" : " " + design.OutlineName) + Piles(design);
    }

    private static string Piles(FoundationDesign design) => design.Piling.Count switch
    {
        0 => "",
        1 => ", 1 pile",
        var n => string.Create(CultureInfo.InvariantCulture, $", {n} piles"),
    };

    /// <summary>The whole size: 2.40 × 2.40 m × 400 mm, 9'-0" × 9'-0" × 16".</summary>
    public static string Size(BaseSize size, UnitSystem units) =>
        $"{Dimension.PlainPlan(size.Length, units)} × {Dimension.Plan(size.Width, units)} × {Dimension.Section(size.Thickness, units)}";

    /// <summary>What a plane on which a base stands is called.</summary>
    public static string Underside(UnitSystem units) => units == UnitSystem.Us ? "bottom of footing" : "underside";

    /// <summary>What the line is called beyond which no base may reach.</summary>
    public static string Boundary(UnitSystem units) => units == UnitSystem.Us ? "property line" : "site boundary";

    /// <summary>What the lean concrete under a base is called.</summary>
    public static string Blinding(UnitSystem units) => units == UnitSystem.Us ? "mud slab" : "blinding";

    /// <summary>Bars of a face both ways; one word if they are alike.</summary>
    public static string Bars(FoundationDesign design, bool bottom)
    {
        ArgumentNullException.ThrowIfNull(design);
        var (x, y) = (design.Drawn(true, bottom), design.Drawn(false, bottom));
        if (x == y || design.Columns == 1)
        {
            return x == y ? $"{x} b.w." : $"{x} x, {y} y";
        }

        // A layer without bars takes no line where the other has some.
        (string Bars, string Axis)[] both = [(design.OtherBars.Count > 0 ? Zones(x) : x, " x"), (Zones(y), " y")];
        return string.Join('\n', both.Where(l => l.Bars != FoundationDesign.NoBars).Select(l => l.Bars + l.Axis));
    }

    /// <summary>A layer in words, a line each zone.</summary>
    public static string Zones(string layer)
    {
        ArgumentNullException.ThrowIfNull(layer);
        return layer.Replace(", ", "\n", StringComparison.Ordinal);
    }

    /// <summary>What a design consists of beside its size, a line each: its bars, and what stands on it.</summary>
    public static IEnumerable<string> Parts(FoundationDesign design, Place place, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(design);
        ArgumentNullException.ThrowIfNull(place);
        string Both(bool bottom) => $"{design.Drawn(true, bottom)} along x, {design.Drawn(false, bottom)} along y";
        yield return $"bottom: {Both(true)}; top: {(design.HasTop ? Both(false) : "none")}";
        foreach (var (name, words) in design.Others(units).Concat(Uprights(design, place, units)))
        {
            yield return $"{name}: {words}";
        }
    }

    /// <summary>What stands between a base and its columns, in words.</summary>
    /// <param name="design">The design.</param>
    /// <param name="place">Where it stands: whose columns are named.</param>
    /// <param name="units">Units of display.</param>
    /// <param name="drawn">Whether as on drawings, where inches bear their mark.</param>
    public static IEnumerable<(string Name, string Words)> Uprights(FoundationDesign design, Place place, UnitSystem units,
        bool drawn = false)
    {
        ArgumentNullException.ThrowIfNull(design);
        ArgumentNullException.ThrowIfNull(place);
        for (var i = 0; i < design.Columns; i++)
        {
            var at = design.Columns == 1 ? "" : " of " + place.Supports[i].Label;
            if (design.Under(i).Pedestal is { } p)
            {
                yield return ((p.Socket is null ? "pedestal" : "socket") + at,
                    $"{Schedules.ScheduleTables.Words(p, units)}, {p.Bars}, ties "
                        + $"{(drawn ? p.Ties.Drawn : p.Ties.ToString())}{(p.Socket is null ? "" : " in pairs")}");
            }

            if (design.Under(i).Dowels is { Size: not null } dowels)
            {
                yield return ("dowels" + at, dowels.ToString());
            }
        }
    }

    /// <summary>Supports of a foundation; several are counted.</summary>
    public static string Supports(Foundation f)
    {
        ArgumentNullException.ThrowIfNull(f);
        return f.Places.Count <= 2
            ? string.Join(f.Places.Any(p => p.Supports.Count > 1) ? "; " : ", ", f.Places.Select(p => p.Name))
            : string.Create(CultureInfo.InvariantCulture, $"{f.Places[0].Name} +{f.Places.Count - 1}");
    }

    private const double Slopes = 0.01;

    /// <summary>A demand or capacity in its unit.</summary>
    public static string Value(double value, Unit unit, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(unit);

        // Slopes are thousandths: 0.0006.
        return value >= 1e30 ? "no limit"
            : unit == Unit.Ratio && Math.Abs(value) is > 0 and < Slopes ? value.ToString("0.0000", CultureInfo.InvariantCulture)
            : unit.Format(value, units);
    }

    /// <summary>A name for people of a check by its id.</summary>
    public static string Check(string id) => CheckCatalog.Find(id)?.Name ?? id;

    /// <summary>A check for people, with the face or direction that governs.</summary>
    public static string Words(CheckResult c)
    {
        ArgumentNullException.ThrowIfNull(c);
        return c.Id.StartsWith("overturning", StringComparison.Ordinal) ? c.Note ?? Check(c.Id)
            : Check(c.Id) + (c.Outcome.Face == Face.Top && !c.Id.StartsWith("flexure", StringComparison.Ordinal) ? " (top)" : "");
    }

    /// <summary>How many foundations pass, fail and are not sized.</summary>
    public static string Summary(IReadOnlyList<FoundationReport> reports)
    {
        ArgumentNullException.ThrowIfNull(reports);
        var fails = reports.Count(r => !r.Passes && r.Design is not null);
        var none = reports.Count(r => r.Design is null);
        return string.Create(CultureInfo.InvariantCulture,
            $"{reports.Count} foundation{(reports.Count == 1 ? "" : "s")}: {reports.Count - fails - none} "
                + $"pass{(fails > 0 ? $", {fails} FAIL" : "")}{(none > 0 ? $", {none} not sized" : "")}.");
    }

    /// <summary>What the engineer waived or accepted, with the reason: said every time.</summary>
    public static IEnumerable<string> Leaves(IReadOnlyList<Foundation> foundations) =>
        foundations.SelectMany(f => f.Leaves.Select(l => (f.Mark, Leave: l)))
            .GroupBy(l => (l.Leave.Check, l.Leave.UpTo, l.Leave.Why))
            .Select(group =>
            $"{(group.Key.UpTo is { } upTo ? string.Create(CultureInfo.InvariantCulture, $"Accepted up to {upTo:0.00#}") : "Waived")}: "
                + $"{Check(group.Key.Check)} of {Marks([.. group.Select(g => g.Mark).Distinct()])}: {group.Key.Why}");

    /// <summary>What is seen of all bases together: what fails, then what to think of.</summary>
    /// <param name="building">The building.</param>
    /// <param name="units">Units of display.</param>
    public static IEnumerable<(bool Fails, string Text)> Remarks(WholeBuilding building, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(building);
        string L(double v) => Dimension.Plan(v, units);
        string Settles(double s) => Unit.Settlement.Format(s, units);
        string Pair(NearBases n) => $"{n.First} (under {n.FirstPlace}) and {n.Second} (under {n.SecondPlace})";
        string One(double ratio) => "1/" + Math.Round(1 / Math.Max(ratio, 1e-9)).ToString("0", CultureInfo.InvariantCulture);
        foreach (var d in building.Distortions.Where((d, i) => !d.Passes || i == 0))
        {
            yield return (!d.Passes,
                $"{(d.Passes ? "largest angular distortion" : "angular distortion TOO LARGE")}: {d.First} (under {d.FirstPlace}) settles "
                    + $"{Settles(d.FirstSettles)}, {d.Second} (under {d.SecondPlace}) {Settles(d.SecondSettles)} "
                    + $"{Unit.Settlement.Symbol(units)} under {d.Combination}, {L(d.Distance)} apart: "
                    + $"{One(d.Ratio)}, at most {One(d.Most)}");
        }

        foreach (var n in building.Near.Where(n => n.Overlaps))
        {
            yield return (true,
                $"{Pair(n)} OVERLAP in plan by {L(-n.Gap)}{(n.ApartInLevel ? ", one above the other" : "")}: carry both on one base, or "
                    + "hold an edge");
        }

        foreach (var n in building.Near.Where(n => !n.Overlaps))
        {
            yield return (false, $"{Pair(n)} leave a gap of {L(n.Gap)}: room for forms and excavation is short");
        }

        foreach (var s in building.Steps)
        {
            yield return (false,
                $"{s.Lower} (under {s.LowerPlace}) is founded {L(s.Step)} below {s.Upper} (under {s.UpperPlace}), {L(s.Gap)} beside it, "
                    + $"within the spread of its load: {L(s.Needed)} is needed, or a lower level of {s.Upper}");
        }

        if (building.Ties.Count > 0)
        {
            const int named = 12;
            string Tie(FootingTie t) => $"{t.First}–{t.Second} {Unit.Force.FormatWithSymbol(t.Force, units)}";
            var others = building.Ties.Count - named;
            var more = others <= 0 ? ""
                : string.Create(CultureInfo.InvariantCulture, $" and {others} more, none above ")
                    + $"{Unit.Force.FormatWithSymbol(building.Ties[named].Force, units)}; JSON lists all";
            yield return (false,
                "ties between footings, where the ground is of site class E or F (ASCE 7 12.13.5, 0.1·SDS times the larger column load; "
                    + "not designed here): "
                    + $"{string.Join(", ", building.Ties.Take(named).Select(Tie))}{more}");
        }

        if (building.Covered > WholeBuilding.MuchCovered)
        {
            yield return (false,
                string.Create(CultureInfo.InvariantCulture,
                    $"the bases cover {building.Covered * 100:0} % of the area between the supports: a raft may serve better"));
        }
    }
}
