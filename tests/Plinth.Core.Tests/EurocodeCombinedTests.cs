using CsCheck;
using Plinth.Core.Bodies;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Kinds.Combined;
using static Plinth.Core.Tests.CombinedTests;

namespace Plinth.Core.Tests;

/// <summary>Bases under several columns by EN 1992-1-1, and what holds under every code: rectangles and trapezoids with columns off the line, over random input.</summary>
public class EurocodeCombinedTests
{
    private static (Project Project, CombinedDesign Design) European((Project Project, CombinedDesign Design) made,
        string code = "en1992") =>
        (made.Project with { Code = ConcreteCodes.Find(code)! }, made.Design);

    [Fact]
    public void A_mirrored_base_is_used_alike() =>
        Cases.Sample(c => AreUsedAlike(European(Make(c)), European(Make(c, -1))), iter: 100);

    // Its ends exchanged: each check as much, wherever it stands now.
    [Theory]
    [InlineData("en1992")]
    [InlineData("aci318m-19")]
    public void A_base_turned_end_for_end_is_used_alike(string code) => Cases.Sample(
        c =>
        {
            var other = c with
            {
                Loads = [.. c.Loads.Reverse().Select(l => (l.N, -l.Fx, -l.Fy, -l.Mx, -l.My))],
                Gaps = [.. c.Gaps.Reverse()],
                Side = [.. c.Side.Reverse().Select(s => -s)],
                Low = c.High,
                High = c.Low,
                Ox = -c.Ox,
                Oy = -c.Oy,
            };
            var (a, b) = (Used(European(Make(c), code)), Used(European(Make(other), code)));
            b.Select(x => x.Id).Should().Equal(a.Select(x => x.Id));
            foreach (var (x, y) in a.Zip(b))
            {
                y.Most.Should().BeApproximately(x.Most, 1e-6 * Math.Max(1, x.Most), x.Id);
            }
        },
        iter: 100);

    private static List<(string Id, double Most)> Used((Project Project, CombinedDesign Design) made) =>
        [.. new Checker(made.Project, made.Project.Foundations[0]).Check(made.Design).Checks.GroupBy(x => x.Id)
            .Select(g => (g.Key, g.Max(x => x.Utilisation))).OrderBy(g => g.Key, StringComparer.Ordinal)];

    // Every closed perimeter in steps of a two hundredth of 2d that lies within the outline, point by point, and keeps clear of the other
    // columns: none is used more than the worst that was found.
    [Fact]
    public void No_closed_perimeter_within_the_base_is_used_more_than_the_worst_found() => Cases.Sample(
        c =>
        {
            var (project, design) = European(Make(c with { Loads = [.. c.Loads.Select(l => l with { N = 300 + Math.Abs(l.N) })] }));
            var t = Trial(project, design);
            if (t.Body.Contact(0).State == ContactState.NoEquilibrium)
            {
                return;
            }

            foreach (var area in t.Punched)
            {
                var set = PerimeterShear.Perimeters(area, true);
                var worst = PerimeterShear.Worst(area, set, 0).Outcome;
                for (var i = 1; i <= 200; i++)
                {
                    var a = 2 * set.Depth * i / 200;
                    if (!Lies(t.Body, area, a, out var meets) || meets)
                    {
                        continue;
                    }

                    // The strength with the bars that are there is at least what a perimeter holds without them.
                    var p = set.At(new PerimeterForm(0, 0, 0, a, a), a, true);
                    var used = PerimeterShear.Stress(area, p.Perimeter, set.Depth, 0).Stress / p.Strength;
                    worst.Done.Should().BeTrue($"{area.At} {a}");
                    worst.Utilisation.Should().BeGreaterThanOrEqualTo(used - 1e-3, $"{area.At} at {a} of {set.Depth}");
                }

                // None that was looked at leaves the base or holds a part of another column.
                foreach (var held in set.Grid.ToArray().Where(g => g.Form is { OpenX: 0, OpenY: 0 }))
                {
                    Lies(t.Body, area, held.Perimeter.Distance - 1e-9, out var meets).Should().BeTrue($"{area.At} {held.Perimeter.Distance}");
                    meets.Should().BeFalse($"{area.At} {held.Perimeter.Distance}");
                }
            }
        },
        iter: 100);

    private static bool Lies(GroundBody body, PunchedArea area, double distance, out bool meets)
    {
        meets = body.Columns.ToArray().Except(area.Columns.ToArray()).Any(o =>
        {
            var gapX = Math.Max(0, Math.Abs(o.X - area.X) - ((o.Outline.X + area.SideX) / 2));
            var gapY = Math.Max(0, Math.Abs(o.Y - area.Y) - ((o.Outline.Y + area.SideY) / 2));
            return Math.Sqrt((gapX * gapX) + (gapY * gapY)) < distance - 1e-9;
        });
        return Enumerable.Range(0, 720).All(i =>
        {
            var (sin, cos) = Math.SinCos(i * Math.PI / 360);
            var (x, y) = (area.X + (Math.Sign(Math.Round(cos, 9)) * area.SideX / 2) + (distance * cos),
                area.Y + (Math.Sign(Math.Round(sin, 9)) * area.SideY / 2) + (distance * sin));
            return x >= body.LowX - 1e-9 && x <= body.HighX + 1e-9 && Math.Abs(y) <= (body.WidthAt(x) / 2) + 1e-9;
        });
    }
}
