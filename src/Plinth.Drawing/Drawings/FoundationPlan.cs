using Plinth.Core.Buildings;
using Plinth.Core.Foundations;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Drawings;

/// <summary>
/// The foundation plan: grids, columns and footings to scale with their marks and dimensions, the site's boundary, the schedule beside it.
/// </summary>
public static class FoundationPlan
{
    /// <summary>Draws the plan; a schedule too long for every sheet is left to be issued apart, and the notes say so.</summary>
    /// <param name="project">The building.</param>
    /// <param name="designs">The designs in force.</param>
    /// <param name="request">Title, paper and scale.</param>
    /// <param name="changed">Marks that changed since the last issue: each gets a cloud.</param>
    /// <param name="fails">What fails of marks that are issued all the same; null: nothing.</param>
    /// <returns>The sheet; null where it does not fit on the paper at the scale asked for.</returns>
    public static Sheet? Of(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs,
        DrawingRequest request, IReadOnlySet<string>? changed = null, IReadOnlyDictionary<string, string>? fails = null)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(designs);
        ArgumentNullException.ThrowIfNull(request);
        var plan = new PlanModel(project, designs);
        void Draw(List<Item> items, Func<double, double, At> p, double per)
        {
            GridLines.Add(items, plan, p, per);
            foreach (var part in plan.Footings.SelectMany(f => f.Parts))
            {
                items.Add(new PathItem(Layers.Footing, [.. part.Select(c => p(c.X, c.Y))], true, Stroke.Edge, Fill.Light));
            }

            PlanParts.Piles(items, plan, p, per);
            PlanParts.Columns(items, plan, p, per);
            var marks = PlanMarks.Add(items, plan, p, PlanMarks.Of);
            var own = PlanDimensions.Add(items, project, plan, p);
            foreach (var (f, mark) in plan.Footings.Zip(marks).Where(f => changed?.Contains(f.First.Mark) == true))
            {
                items.Add(Cloud.Round(Layers.Revision, [.. f.Corners.Select(c => p(c.X, c.Y)), mark.Low, mark.High, .. own[f]]));
            }
        }

        var notes = PlanNotes.Of(project);
        if (changed is { Count: > 0 })
        {
            notes = [.. notes, $"Clouds: changed since the issue before {request.Revision}: {Wording.Marks([.. changed])}."];
        }

        foreach (var (mark, what) in fails ?? new Dictionary<string, string>())
        {
            notes = [.. notes, $"{mark} {what.ToUpperInvariant()[..5]}{what[5..]}."];
        }

        return PlanSheet.Of(project, plan, request,
            Schedule(project, designs, changed is { Count: > 0 } ? new Core.Schedules.ScheduleRevision(request.Revision, changed) : null),
            notes, Draw) ?? PlanSheet.Of(project, plan, request, PlanTable.None, [.. notes, "The footing schedule is issued apart."], Draw);
    }

    // Of several kinds what all have: the schedules issued beside the plan say the rest.
    private static PlanTable OfKinds(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs,
        Core.Schedules.ScheduleRevision? revision)
    {
        var units = project.Units;
        var (top, dowels) = (designs.Any(d => d.Design.HasTop), designs.Any(d => d.Design.HasDowels));
        static string Bars(string words) => words == Core.Concrete.BarSpec.None.ToString() ? "—" : words;
        List<(string Head, bool Number, Func<Foundation, FoundationDesign, string> Cell)> columns =
        [
            ("mark", false, (f, _) => f.Mark),
            ("no.", true, (f, _) => f.Places.Count.ToString(System.Globalization.CultureInfo.InvariantCulture)),
            (Dimension.Heading("plan", Unit.Length, units), false, (_, d) => Wording.Plan(d, units)),
            (Dimension.Heading("h", Unit.Section, units), true, (_, d) => Dimension.PlainSection(d.Size.Thickness, units)),
            (Dimension.Heading(Wording.Underside(units), Unit.Length, units), true,
                (f, d) => Dimension.PlainPlan(f.Places[0].Ground.Underside(d.WholeDepth), units)),
            ("bottom along x", false, (_, d) => Bars(d.Drawn(true, true))), ("bottom along y", false, (_, d) => Bars(d.Drawn(false, true))),
            .. top
                ? [("top along x", false, (_, d) => Bars(d.Drawn(true, false))),
                    ("top along y", false, (_, d) => Bars(d.Drawn(false, false)))]
                : (List<(string, bool, Func<Foundation, FoundationDesign, string>)>)[],
            .. dowels
                ? [("dowels", false,
                    (_, d) => string.Join("; ", Enumerable.Range(0, d.Columns).Select(i => Bars(d.Under(i).Dowels.Drawn)).Distinct()))]
                : (List<(string, bool, Func<Foundation, FoundationDesign, string>)>)[],
        ];
        if (revision is not null)
        {
            columns.Insert(0, ("rev", false, (f, _) => revision.Changed.Contains(f.Mark) ? revision.Revision : ""));
        }

        return new PlanTable("Foundation schedule", [.. columns.Select(c => c.Head)], [.. columns.Select(c => c.Number)],
            [.. designs.Select(d => (IReadOnlyList<string>)[.. columns.Select(c => c.Cell(d.Foundation, d.Design))])]);
    }

    private static PlanTable Schedule(Project project, IReadOnlyList<(Foundation Foundation, FoundationDesign Design)> designs,
        Core.Schedules.ScheduleRevision? revision)
    {
        var units = project.Units;
        var kinds = designs.Select(d => d.Foundation.Kind).Distinct().Count();
        if (kinds > 1 || designs.Any(d => d.Foundation.Kind != Core.Kinds.FoundationKinds.Usual))
        {
            return OfKinds(project, designs, revision);
        }

        var issued = Core.Schedules.ScheduleTables.Of(project, designs, revision)[0];
        string[] titles = ["rev", "mark", "number off", "length", "width", "thickness", Wording.Underside(units), "bottom B1", "bottom B2",
            "top T1", "top T2", "dowels", "pedestal", "pedestal bars", "ties"];
        var columns = titles.Select(t => issued.Columns.ToList().FindIndex(c => c.Title == t))
            .Where(i => i >= 0 && (issued.Columns[i].Decimals is not null || issued.Rows.Any(r => r[i] is string s && s != "—")))
            .ToList();
        string Head(int c)
        {
            var title = issued.Columns[c].Title switch
            {
                "number off" => "no.",
                "thickness" => "h",
                "bottom of footing" => "bottom",
                var t => t
            };
            return issued.Columns[c].Form != Core.Schedules.ColumnForm.Decimals || issued.Columns[c].UnitSymbol.Length == 0
                ? title
                : $"{title} {issued.Columns[c].UnitSymbol}";
        }

        return new PlanTable("Footing schedule", [.. columns.Select(Head)],
            [.. columns.Select(c => issued.Columns[c].Decimals is not null)],
            [.. issued.Rows.Select(r => (IReadOnlyList<string>)[.. columns.Select(c => issued.Columns[c].Words(r[c]))])]);
    }
}
