using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>Plans of the building that show results: how much each footing is used, what the columns bring.</summary>
public static class ResultPlan
{
    private const int MostRows = 60;

    // Used up to so much: light to dark; what fails is hatched and says so.
    private static readonly (double Upto, int Tint, string Words)[] Bands = [(0.5, 0xF2F6F0, "up to 0.50"), (0.7, 0xD8E8CF, "0.50 to 0.70"),
        (0.85, 0xB3D3A3, "0.70 to 0.85"), (0.95, 0x8CBB78, "0.85 to 0.95"), (1 + 1e-9, 0x66A150, "0.95 to 1.00")];
    private const int FailTint = 0xF0B9A0;

    /// <summary>How much of its strength each footing uses, in which check, under which combination, and how much room it has.</summary>
    /// <param name="project">The building.</param>
    /// <param name="reports">Checked foundations, with their room where it is known.</param>
    /// <param name="request">Title, paper and scale.</param>
    public static Sheet? Utilisation(Project project, IReadOnlyList<FoundationReport> reports, DrawingRequest request)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(reports);
        ArgumentNullException.ThrowIfNull(request);
        var sized = reports.Where(r => r.Design is not null && r.Result is not null).ToList();
        var byMark = sized.ToDictionary(r => r.Foundation.Mark, StringComparer.Ordinal);
        var plan = new PlanModel(project, [.. sized.Select(r => (r.Foundation, r.Design!))]);
        var worst = sized.OrderBy(r => r.Passes).ThenByDescending(r => r.Result!.Governing.Utilisation).ToList();
        string Used(FoundationReport r) => Wording.Utilisation(r.Result!.Governing.Utilisation, r.Result.Governing.Outcome.Passes);
        var table = new PlanTable("What governs, most used first", ["mark", "util.", "result", "check", "combination", "room"],
            [false, true, false, false, false, true],
            [.. worst.Take(MostRows)
                .Select(r => (IReadOnlyList<string>)[r.Foundation.Mark, Used(r), Wording.Verdict(r), Wording.Words(r.Result!.Governing),
                    Wording.Combination(r.Result.Governing), r.Room is { } room ? Wording.Room(room) : ""])]);
        void Draw(List<Item> items, Func<double, double, At> p, double per)
        {
            GridLines.Add(items, plan, p, per);
            foreach (var f in plan.Footings)
            {
                var r = byMark[f.Mark];
                var used = r.Result!.Governing.Utilisation;
                items.AddRange(f.Parts.Select(part => new PathItem(Layers.Footing, [.. part.Select(c => p(c.X, c.Y))], true,
                    r.Passes ? Stroke.Thin : new Stroke(0.7),
                    r.Passes ? Fill.None : Fill.Hatch)
                {
                    Tint = r.Passes
                        ? Bands.First(b => used <= b.Upto || b == Bands[^1]).Tint
                        : FailTint
                }));
            }

            PlanParts.Columns(items, plan, p, per);
            PlanMarks.Add(items, plan, p, f =>
            {
                var r = byMark[f.Mark];
                var g = r.Result!.Governing;
                return
                [
                    new(Layers.Mark, f.Mark, 2.2, true), new(Layers.Result, (r.Passes ? "" : "FAIL ") + Used(r), 2, !r.Passes),
                    new(Layers.Result, Wording.Words(g), Layout.SmallestText, false),
                    .. r.Room is { } room ? (MarkLine[])[new(Layers.Result, "room " + Wording.Room(room), Layout.SmallestText, false)] : [],
                ];
            });
        }

        List<string> notes = ["Filled by utilisation: " + string.Join(", ", Bands.Select(b => b.Words))
            + ", light to dark; hatched: fails.", "Room: how much all actions of the supports may grow before the first check fails.",
            .. Wording.Leaves([.. sized.Select(r => r.Foundation)])];
        if (worst.Count > MostRows)
        {
            notes.Add(string.Create(CultureInfo.InvariantCulture, $"The table shows the {MostRows} most used of {worst.Count}."));
        }

        return PlanSheet.Of(project, plan, request, table, notes, Draw)
            ?? PlanSheet.Of(project, plan, request, PlanTable.None, [.. notes, "The table is left out: it does not fit."], Draw);
    }

    /// <summary>What every column brings to its foundation in a load case.</summary>
    /// <param name="project">The building.</param>
    /// <param name="designs">The designs in force, drawn beneath.</param>
    /// <param name="index">The case.</param>
    /// <param name="request">Title, paper and scale.</param>
    public static Sheet? Loads(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs, int index,
        DrawingRequest request)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        ArgumentNullException.ThrowIfNull(request);
        var units = project.Units;
        var plan = new PlanModel(project, designs);
        SupportAction Of(Support s) => project.Actions[s.Label][index];
        string F(double v) => Unit.Force.Format(v, units).Replace('-', '−');
        string M(double v) => Unit.Moment.Format(v, units).Replace('-', '−');
        bool Acts(SupportAction a) =>
            Math.Max(Math.Abs(a.N), Math.Max(Math.Max(Math.Abs(a.Fx), Math.Abs(a.Fy)), Math.Max(Math.Abs(a.Mx), Math.Abs(a.My)))) > 1e-9;
        var sum = project.Supports.Select(Of).Aggregate(default(SupportAction), (a, b) => a + b);
        var table = new PlanTable("Sum over all columns", ["", Unit.Force.Symbol(units)], [false, true],
            [["N, downwards", F(sum.N)], ["Fx", F(sum.Fx)], ["Fy", F(sum.Fy)]]);
        void Draw(List<Item> items, Func<double, double, At> p, double per)
        {
            GridLines.Add(items, plan, p, per);
            foreach (var f in plan.Footings)
            {
                items.AddRange(f.Parts.Select(part =>
                    new PathItem(Layers.Footing, [.. part.Select(c => p(c.X, c.Y))], true, Stroke.Hidden)));
            }

            PlanParts.Columns(items, plan, p, per);
            PlanMarks.Add(items, plan, p, f =>
            {
                return [.. f.Place.Supports.SelectMany(Lines)];
            });

            List<MarkLine> Lines(Support s)
            {
                var a = Of(s);
                List<MarkLine> lines = [new(Layers.Mark, s.Label, 2.2, true)];
                if (!Acts(a))
                {
                    return [.. lines, new(Layers.Result, "—", Layout.SmallestText, false)];
                }

                lines.Add(new(Layers.Result, $"N {F(a.N)}", 2, a.N < 0));
                if (Math.Max(Math.Abs(a.Fx), Math.Abs(a.Fy)) >= 0.05)
                {
                    lines.Add(new(Layers.Result, $"F {F(a.Fx)}; {F(a.Fy)}", Layout.SmallestText, false));
                }

                if (Math.Max(Math.Abs(a.Mx), Math.Abs(a.My)) >= 0.05)
                {
                    lines.Add(new(Layers.Result, $"M {M(a.Mx)}; {M(a.My)}", Layout.SmallestText, false));
                }

                return lines;
            }
        }

        var c = project.Cases[index];
        return PlanSheet.Of(project, plan, request, table,
        [
            $"Case {c.Name}: actions of the columns on their foundations, not factored, in the project's axes.",
            $"N: downwards positive, {Unit.Force.Symbol(units)}; bold: lifts. F: along x; along y. M: about x; about y, "
                + $"{Unit.Moment.Symbol(units)}.",
            "Not shown below 0.05.",
        ], Draw);
    }
}
