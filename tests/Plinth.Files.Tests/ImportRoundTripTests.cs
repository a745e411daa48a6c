using System.Globalization;
using CsCheck;
using Plinth.Core.Loads;

namespace Plinth.Files.Tests;

/// <summary>Random reactions, exported in every way that models lay them out, come back as they were.</summary>
public class ImportRoundTripTests
{
    private const double Kip = 4.4482216152605;

    // All 24 right-handed ways to lay a model's axes: project x, y, z as model axis and sign.
    private static readonly (int Axis, int Sign)[][] Turns = [.. AllTurns()];

    private static IEnumerable<(int Axis, int Sign)[]> AllTurns()
    {
        int[][] orders = [[0, 1, 2], [1, 2, 0], [2, 0, 1], [0, 2, 1], [2, 1, 0], [1, 0, 2]];
        foreach (var o in orders)
        {
            for (var signs = 0; signs < 8; signs++)
            {
                int[] s = [(signs & 1) == 0 ? 1 : -1, (signs & 2) == 0 ? 1 : -1, (signs & 4) == 0 ? 1 : -1];

                // The third axis must be the cross product of the first two.
                double[] V(int i)
                {
                    var v = new double[3];
                    v[o[i]] = s[i];
                    return v;
                }

                var (a, b, c) = (V(0), V(1), V(2));
                double[] cross = [(a[1] * b[2]) - (a[2] * b[1]), (a[2] * b[0]) - (a[0] * b[2]), (a[0] * b[1]) - (a[1] * b[0])];
                if (cross.SequenceEqual(c))
                {
                    yield return [(o[0], s[0]), (o[1], s[1]), (o[2], s[2])];
                }
            }
        }
    }

    [Fact]
    public void There_are_twenty_four_ways_to_turn_axes() => Turns.Should().HaveCount(24);

    private static readonly Gen<(int Turn, bool Action, char Delimiter, bool Comma, bool Us, bool Wide, int Titles, int Seed)> Exports =
        Gen.Select(Gen.Int[0, 23], Gen.Bool, Gen.Int[0, 3].Select(i => ",;\t|"[i]), Gen.Bool, Gen.Bool, Gen.Bool, Gen.Int[0, 3])
            .Select(Gen.Int[0, int.MaxValue],
                (a, seed) => (a.Item1, a.Item2, a.Item3, a.Item4 && a.Item3 != ',', a.Item5, a.Item6, a.Item7, seed));

    [Fact]
    public void Any_axes_sense_delimiter_decimal_sign_unit_and_layout() => Exports.Sample(e =>
    {
        var random = new Random(e.Seed);
        var cases = new[] { "DEAD", "WIND X", "E/1" };
        var truth = new Dictionary<(string, string), double[]>();
        foreach (var support in Enumerable.Range(1, random.Next(1, 6)))
        {
            foreach (var c in cases)
            {
                truth[($"N{support}", c)] = [.. Enumerable.Range(0, 6)
                    .Select(_ => Math.Round(random.NextDouble() * 2000 - 1000, random.Next(0, 4)))];
            }
        }

        // Into the model: project axis i lies along a model axis, so that component of the model is sign times it; an action is the
        // reaction turned round.
        var turn = Turns[e.Turn];
        double[] Model(double[] project)
        {
            var model = new double[6];
            for (var i = 0; i < 6; i++)
            {
                var (axis, sign) = turn[i % 3];
                model[axis + (i < 3 ? 0 : 3)] = (e.Action ? -1 : 1) * sign * project[i];
            }

            return model;
        }

        string Number(double v) => v.ToString("R", CultureInfo.InvariantCulture).Replace('.', e.Comma ? ',' : '.');
        var (force, moment) = e.Us ? ("kip", "kip-ft") : ("kN", "kN·m");
        string[] words = ["FX", "FY", "FZ", "MX", "MY", "MZ"];
        var lines = Enumerable.Range(0, e.Titles).Select(i => $"Title {i}").ToList();
        if (e.Wide)
        {
            lines.Add(string.Join(e.Delimiter,
                cases.SelectMany(c => words.Select((w, i) => $"{c} {w} ({(i < 3 ? force : moment)})")).Prepend("Joint")));
            lines.AddRange(truth.GroupBy(t => t.Key.Item1)
                .Select(g => string.Join(e.Delimiter,
                    cases.SelectMany(c => Model(g.Single(t => t.Key.Item2 == c).Value).Select(Number)).Prepend(g.Key))));
        }
        else
        {
            lines.Add(string.Join(e.Delimiter, words.Prepend("Loading").Prepend("Joint")));
            lines.Add(string.Join(e.Delimiter, words.Select((_, i) => i < 3 ? force : moment).Prepend("").Prepend("")));
            lines.AddRange(
                truth.Select(t => string.Join(e.Delimiter, Model(t.Value).Select(Number).Prepend(t.Key.Item2).Prepend(t.Key.Item1))));
        }

        string Axis(int i) => $"\"{(turn[i].Sign < 0 ? "-" : "")}{"xyz"[turn[i].Axis]}\"";
        var import =
            $"[import]\nfile = \"raw.csv\"\naxes = [{Axis(0)}, {Axis(1)}, {Axis(2)}]\nsense = \"{(e.Action ? "action" : "reaction")}\"\n"
            + (e.Wide ? "layout = \"wide\"\nwide = \"{case} {component}\"\n" : "")
            + "columns = { support = \"Joint\", " + (e.Wide ? "" : "case = \"Loading\", ")
                + "Fx = \"FX\", Fy = \"FY\", Fz = \"FZ\", Mx = \"MX\", My = \"MY\", Mz = \"MZ\" }\n";
        using var f = new RawFolder().With("raw.csv", string.Join('\n', lines) + "\n").Import(import);
        f.Faults.Should().BeEmpty($"{import}\n{string.Join('\n', lines)}");
        var rows = f.Reactions.Split('\n', StringSplitOptions.RemoveEmptyEntries);
        rows[0].Should().Be($"support,case,Fx ({force}),Fy ({force}),Fz ({force}),Mx ({moment}),My ({moment}),Mz ({moment})");
        var back = rows.Skip(1)
            .Select(r => r.Split(','))
            .ToDictionary(c => (c[0], c[1]), c => c.Skip(2).Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToArray());
        back.Should().HaveSameCount(truth);
        foreach (var (key, values) in truth)
        {
            back[key].Should().Equal(values, $"{key} by axes [{Axis(0)}, {Axis(1)}, {Axis(2)}]");
        }

        // Control totals are those of the truth, in kN, as actions.
        var unit = e.Us ? Kip : 1;
        foreach (var c in f.Report!.Cases)
        {
            c.Totals.N.Should().BeApproximately(unit * truth.Where(t => t.Key.Item2 == c.Case).Sum(t => t.Value[2]), 1e-6);
            c.Totals.Fx.Should().BeApproximately(-unit * truth.Where(t => t.Key.Item2 == c.Case).Sum(t => t.Value[0]), 1e-6);
        }
    }, iter: 300);

    [Fact]
    public void Totals_about_the_origin_do_not_depend_on_where_forces_are_cut() =>
        Gen.Select(Gen.Double[-9, 9].Array[6], Gen.Double[-30, 30].Array[6]).Sample((a, at) =>
    {
        // A force at a point is the same force at another with the moment that goes with it.
        var action = new SupportAction(a[0], a[1], a[2], a[3], a[4], a[5]);
        var there = default(LoadTotals).Plus(action, at[0], at[1], at[2]);
        var (dx, dy, dz) = (at[0] - at[3], at[1] - at[4], at[2] - at[5]);
        var moved = new SupportAction(a[0], a[1], a[2], a[3] - (dy * a[0]) - (dz * a[2]), a[4] + (dx * a[0]) + (dz * a[1]),
            a[5] + (dx * a[2]) - (dy * a[1]));
        var here = default(LoadTotals).Plus(moved, at[3], at[4], at[5]);
        foreach (var (x, y) in new[] { (there.N, here.N), (there.Mx, here.Mx), (there.My, here.My), (there.Mz, here.Mz) })
        {
            x.Should().BeApproximately(y, 1e-9 * (1 + Math.Abs(x)));
        }

    });
}
