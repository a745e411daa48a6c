using System.Globalization;
using Plinth.Core.Audit;
using Plinth.Core.Buildings;
using Plinth.Core.Loads;
using Plinth.Core.National;
using Plinth.Core.Schedules;
using Plinth.Core.Units;
using Plinth.Reports.Documents;

namespace Plinth.Reports.Building;

/// <summary>The chapters on the whole building.</summary>
internal static class GeneralChapters
{
    public static string TitleOf(string chapter) => chapter switch
    {
        "basis" => "Basis of design",
        "loads" => "Loads",
        "results" => "Results",
        "schedule" => "Schedules",
        _ => "Footings",
    };

    // Those of which that does not hold, by what does.
    private static string Otherwise(ReportInput input) => string.Concat(input.Reports
        .Select(r => (r.Foundation.Mark, Bears: r.Foundation.Kind.Bears(r.Foundation)))
        .Where(f => f.Bears is not null)
        .GroupBy(f => f.Bears, f => f.Mark)
        .Select((g, i) => $"{(i == 0 ? "But " : "")}{string.Join(", ", g)}: {g.Key}. "));

    /// <summary>Codes, combinations, values in force.</summary>
    public static IEnumerable<Block> Basis(ReportInput input)
    {
        var p = input.Project;
        yield return new Paragraph(
            $"Concrete to {p.Code.Name}, {(p.Design is null ? "loads and combinations" : "loads, combinations and ground")} to "
                + $"{p.LoadsAndGround}. "
                + $"{(p.Units == UnitSystem.Us ? "US customary units: ft, in, kip, ksf, psi." : "Metric units: m, mm, kN, kPa, MPa.")} N "
                + "presses downwards; x and y are the project's axes in plan, in a footing's chapter its own; moments are right-handed "
                + "about them.");
        yield return new Paragraph(
            "Bases are rigid; the ground is held to bear pressure alone, linear over the part in contact. " + Otherwise(input)
                + "Every number comes from the program's own trace of the check: formula, values put in, result, clause.");
        var stated = input.Settings.Where(s => s.Stated || input.Depth != ReportDepth.Summary).ToList();
        yield return new Table(
            input.Depth == ReportDepth.Summary
                ? "Values stated by the engineer; all others are the defaults"
                : $"Values in force for {input.Reports.Select(r => r.Foundation.Mark).FirstOrDefault() ?? "the building"}, and where "
                    + "each is set",
            [new("table"), new("key"), new("value"), new("set")],
            [
                .. stated.Select(s => (IReadOnlyList<Cell>)[new(s.Table), new(s.Key), new(s.Value),
                    new(s.Set, s.Stated ? Tone.Plain : Tone.Quiet)])]);
        if (input.Depth == ReportDepth.Summary)
        {
            yield break;
        }

        IEnumerable<NationalValue> values = [.. p.Design is null ? [] : NationalAnnex.OfGround,
            .. p.Code.Annex is null ? [] : NationalAnnex.OfConcrete];
        if ((p.Design?.Annex ?? p.Code.Annex) is { } annex)
        {
            yield return new Table("Nationally determined values", [new("key"), new("value"), new("is"), new("clause")],
                [
                    .. values.Select(v => (IReadOnlyList<Cell>)[new(v.Key), new(annex[v.Key]
                        .ToString("0.#####", CultureInfo.InvariantCulture), annex.IsOwn(v.Key) ? Tone.Strong : Tone.Plain),
                        new(v.Meaning + (annex.IsOwn(v.Key) ? "; not the recommended value" : "")), new(v.Clause)])]);
        }

        var own = input.Reports.Select(r => r.Foundation).Where(f => f.Chosen is not null).ToList();
        yield return new Table("Combinations", [new("name"), new("for"), new("factors"), new("rule"), new("clause")],
            [
                .. p.Combinations.Used.Select(c => (IReadOnlyList<Cell>)[new(c.Name, Tone.Strong),
                    new(string.Join(", ", FamilyWords.Of(c.For))), new(Factors(p, c)), new(c.Rule), new(c.Clause ?? "")])]);
        if (PartialLive.Words(p) is { } partial)
        {
            yield return new Paragraph(partial);
        }

        foreach (var f in own)
        {
            yield return new Paragraph($"{f.Mark}: {f.Chosen!.Note}", Tone.Strong);
        }
    }

    private static string Factors(Project p, Combination c) =>
        string.Join(" ",
            c.Terms.Select((t, i) => (t.Factor < 0 ? "− " : i > 0 ? "+ " : "")
                + (Math.Abs(t.Factor) == 1 ? "" : Math.Abs(t.Factor).ToString("0.####", CultureInfo.InvariantCulture) + "·")
                + p.Cases[t.Case].Name)) + string.Create(CultureInfo.InvariantCulture, $"; weights {c.WeightFactor:0.####}");

    /// <summary>Totals of the cases against those that the analysis reports, and what is doubtful.</summary>
    public static IEnumerable<Block> Loads(ReportInput input)
    {
        var units = input.Project.Units;
        string F(double v) => Unit.Force.Format(v, units).Replace('-', '−');
        var f = Unit.Force.Symbol(units);
        var stated = input.Audit.Cases.Any(c => c.Stated is { N: not null });
        yield return new Table("Sum of the actions of each case over all supports, N downwards",
            [new("case"), new("symbol"), new("supports", true), new($"N {f}", true),
                .. stated ? (Column[])[new($"N in the analysis {f}", true), new("difference", true)] : [], new($"Fx {f}", true),
                new($"Fy {f}", true)],
            [.. input.Audit.Cases.Select(c => (IReadOnlyList<Cell>)
            [
                new(c.Case.Source, Tone.Strong), new(c.Case.Symbol?.ToString() ?? "combined"),
                new(c.Rows.ToString(CultureInfo.InvariantCulture)), new(F(c.Totals.N)),
                .. stated
                    ? (Cell[])[new(c.Stated?.N is { } n ? F(n) : "not stated", c.Stated?.N is null ? Tone.Quiet : Tone.Plain),
                        new(c.Stated?.N is { } m ? F(c.Totals.N - m) : "")]
                    : [],
                new(F(c.Totals.Fx)), new(F(c.Totals.Fy)),
            ])]);
        if (!stated)
        {
            yield return new Paragraph(
                "No totals of the analysis are stated ([totals] in plinth.toml): these sums are to be compared with the analysis by hand.",
                Tone.Quiet);
        }

        var findings = input.Audit.Findings.Where(x => x.Grade != Grade.Note).ToList();
        foreach (var x in findings)
        {
            yield return new Paragraph($"{(x.Grade == Grade.Error ? "✗" : "!")} {x.Message}: {x.Remedy}",
                x.Grade == Grade.Error ? Tone.Fail : Tone.Leave);
        }

        if (findings.Count == 0)
        {
            yield return new Paragraph("The audit of supports and reactions found nothing doubtful.", Tone.Pass);
        }
    }

    /// <summary>What governs, what fails, what is waived, accepted, not checked.</summary>
    public static IEnumerable<Block> Results(ReportInput input)
    {
        var units = input.Project.Units;
        var reports = input.Reports;
        yield return new Paragraph(Wording.Summary(reports), reports.All(r => r.Passes) ? Tone.Pass : Tone.Fail);
        foreach (var (fails, text) in Wording.Remarks(input.Building, units))
        {
            yield return new Paragraph((fails ? "✗ " : "· ") + text, fails ? Tone.Fail : Tone.Plain);
        }

        foreach (var leave in Wording.Leaves([.. reports.Select(r => r.Foundation)]))
        {
            yield return new Paragraph("! " + leave, Tone.Leave);
        }

        yield return new Paragraph(Wording.NotChecked(input.Project, [.. reports.Select(r => r.Foundation)]), Tone.Strong);
        var linked = input.Has("footings");
        var worst = reports.Select((r, i) => (Report: r, Index: i))
            .OrderBy(r => r.Report.Passes)
            .ThenByDescending(r => r.Report.Result?.Governing.Utilisation ?? double.PositiveInfinity);
        yield return new Table("What governs each footing, failing and most used first",
            [new("mark"), new("under"), new(Dimension.Heading("plan", Unit.Length, units)),
                new(Dimension.Heading("h", Unit.Section, units), true), new("util.", true), new("room", true), new("result"),
                new("governing check"), new("combination")],
            [.. worst.Select(w =>
            {
                var (r, link) = (w.Report, linked ? ReportBuilder.AnchorOf(w.Index) : null);
                var f = r.Foundation;
                if (r.Design is not { } d || r.Result is not { } result)
                {
                    return (IReadOnlyList<Cell>)[new(f.Mark, Tone.Strong, link), new(Wording.Supports(f)), new("—"), new("—"), new("—"),
                        new(""), new(Wording.Verdict(r), Tone.Fail), new(""), new("")];
                }

                var g = result.Governing;
                return
                [
                    new(f.Mark, Tone.Strong, link), new(Wording.Supports(f)), new(Wording.Plan(d, units)),
                    new(Dimension.PlainSection(d.Size.Thickness, units)),
                    new(Wording.Utilisation(g.Utilisation, g.Outcome.Passes), FootingChapter.ToneOf(r)),
                    new(r.Room is { } room ? Wording.Room(room) : ""), new(Wording.Verdict(r), FootingChapter.ToneOf(r)),
                    new(Wording.Words(g)), new(Wording.Combination(g)),
                ];
            })],
            true);
        yield return new Paragraph(
            "Utilisation: demand over capacity, passes at 1 or below. Room: how much all actions of the supports may grow before the first "
                + "check fails; weights, water and surcharge stay.", Tone.Quiet);
    }

    /// <summary>The footing schedule and quantities, as they are issued.</summary>
    public static IEnumerable<Block> Schedule(ReportInput input)
    {
        var designs = input.Reports.Where(r => r.Design is not null).Select(r => (r.Foundation, r.Design!)).ToList();
        if (designs.Count == 0)
        {
            yield return new Paragraph("Nothing is sized yet.", Tone.Fail);
            yield break;
        }

        var tables = ScheduleTables.Of(input.Project, designs);
        foreach (var t in tables.Where(t => t.Name != ScheduleTables.BarsName))
        {
            var shown = t.Filled;
            yield return new Table(t.Title, [.. shown.Select(c => new Column(t.Columns[c].Shown, t.Columns[c].Decimals is not null))],
                [.. t.Rows.Select(r => (IReadOnlyList<Cell>)[.. shown.Select(c => new Cell(t.Columns[c].Words(r[c])))])]);
            foreach (var note in t.Notes)
            {
                yield return new Paragraph(note, Tone.Quiet);
            }
        }
    }
}
