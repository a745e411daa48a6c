using System.Globalization;
using System.Text;

namespace Plinth.Bench;

/// <summary>A made-up building of any size: random columns, 12 cases, all combinations of ASCE 7-22.</summary>
internal static class GeneratedProject
{
    private const string Toml = """
        [project]
        name = "Generated"
        code = "aci318m-19"
        [loads]
        standard = "asce7-22"
        [cases]
        DEAD = "D"
        SDL = "D"
        LIVE = "L"
        LIVE2 = "L"
        ROOF = "Lr"
        SNOW = "S"
        RAIN = "R"
        WX = { symbol = "W", reversible = true }
        WY = { symbol = "W", reversible = true }
        WD = { symbol = "W", reversible = true }
        EX = "E"
        EY = "E"
        [ground]
        founding-depth = "1.8 m"
        bearing = "200 kPa"
        bearing-transient = 1.33
        [concrete]
        strength = "30 MPa"
        [steel]
        yield = "420 MPa"

        """;

    // Every support on a cap of its own.
    private const string Caps = """
        [piles]
        size = "450 mm"
        compression = "800 kN"
        tension = "200 kN"
        lateral = "60 kN"
        layouts = ["3", "4", "5", "6", "8", "9", "12", "16"]
        [[foundation]]
        kind = "pile-cap"
        each = ["*"]

        """;

    /// <summary>Writes a project.</summary>
    /// <param name="count">How many foundations.</param>
    /// <param name="directory">Its folder.</param>
    /// <param name="columns">Columns on each, 2.0 to 4.4 m apart where they are several, of straps 5 to 8 m.</param>
    /// <param name="kind">"pile-cap": caps on piles; "strap": straps; "wall": wall footings; "grid": grids of strips; else bases on the ground.</param>
    public static void Write(int count, string directory, int columns = 1, string kind = "")
    {
        Directory.CreateDirectory(directory);
        if (kind == "wall")
        {
            Walls(count, directory);
            return;
        }

        if (kind == "grid")
        {
            Grids(count, directory);
            return;
        }

        var random = new Random(7);
        double Within(double most) => ((random.NextDouble() * 2) - 1) * most;
        var supports = new StringBuilder("support,x (m),y (m),shape,cx (mm),cy (mm)\n");
        var reactions = new StringBuilder("support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\n");
        var bases = new StringBuilder();
        for (var i = 0; i < count * columns; i++)
        {
            var (at, of) = (i / columns, i % columns);
            if (columns == 1)
            {
                supports.Append(CultureInfo.InvariantCulture, $"C{i + 1},{at % 40 * 7},{at / 40 * 7},rect,450,450\n");
            }
            else
            {
                var spread = (at * 7919 % 100) / 100.0;
                var along = of * (kind == "strap" ? 5 + (3 * spread) : 2.0 + (2.4 * spread));
                supports.Append(CultureInfo.InvariantCulture,
                    $"C{i + 1},{(at % 40 * (kind == "strap" ? 16 : 7 * columns)) + along:F3},{at / 40 * 9},rect,{400 + (50 * (i % 3))},450\n");
                bases.Append(of == 0 ? (kind == "strap" ? "[[foundation]]\nkind = \"strap\"\nsupports = [" : "[[foundation]]\nsupports = [") : ", ").Append('"').Append(CultureInfo.InvariantCulture, $"C{i + 1}")
                    .Append('"').Append(of == columns - 1 ? "]\n" : "");
            }

            // The edge column of a strap brings less than the inner one.
            var s = (0.5 + (1.1 * random.NextDouble())) * (kind == "strap" && of == 0 ? 0.6 : 1);
            (string Case, double N, double H, double M)[] rows =
            [
                ("DEAD", 600 * s, 8, 10), ("SDL", 200 * s, 3, 4), ("LIVE", 300 * s, 5, 6), ("LIVE2", 100 * s, 2, 3), ("ROOF", 40 * s, 1, 1),
                ("SNOW", 50 * s, 1, 1), ("RAIN", 30 * s, 1, 1),
                ("WX", Within(40), 15, 25), ("WY", Within(40), 15, 25), ("WD", Within(40), 12, 20), ("EX", Within(80), 25, 45),
                ("EY", Within(80), 25, 45),
            ];
            foreach (var (name, n, h, m) in rows)
            {
                reactions.Append(CultureInfo.InvariantCulture,
                    $"C{i + 1},{name},{Within(h):F2},{Within(h):F2},{n:F2},{Within(m):F2},{Within(m):F2},0\n");
            }
        }

        File.WriteAllText(Path.Combine(directory, "plinth.toml"), Toml + (kind == "pile-cap" ? Caps : "") + bases);
        File.WriteAllText(Path.Combine(directory, "supports.csv"), supports.ToString());
        File.WriteAllText(Path.Combine(directory, "reactions.csv"), reactions.ToString());
    }

    // Eight by five columns each, at bays of their own; what stands in the middle brings most.
    private static void Grids(int count, string directory)
    {
        const int along = 8;
        const int across = 5;
        var random = new Random(7);
        double Within(double most) => ((random.NextDouble() * 2) - 1) * most;
        var supports = new StringBuilder("support,x (m),y (m),cx (mm),cy (mm)\n");
        var reactions = new StringBuilder("support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\n");
        var bases = new StringBuilder();
        for (var g = 0; g < count; g++)
        {
            string Label(int i, int j) => $"G{g + 1}-{(char)('A' + j)}{i + 1}";
            double[] Lines(int n, double least) => [.. Enumerable.Range(0, n).Aggregate(new List<double>(), (l, i) =>
                [.. l, i == 0 ? 0 : l[^1] + least + (0.5 * random.Next(4))])];
            var (x, y) = (Lines(along, 4.5), Lines(across, 4.0));
            for (var j = 0; j < across; j++)
            {
                for (var i = 0; i < along; i++)
                {
                    supports.Append(CultureInfo.InvariantCulture, $"{Label(i, j)},{(g % 10 * 60) + x[i]:F3},{(g / 10 * 40) + y[j]:F3},400,400\n");
                    var edges = (i is 0 or along - 1 ? 1 : 0) + (j is 0 or across - 1 ? 1 : 0);
                    var s = (0.85 + (0.3 * random.NextDouble())) * (edges == 2 ? 0.4 : edges == 1 ? 0.62 : 1);
                    foreach (var (name, n, h, m) in ((string, double, double, double)[])[("DEAD", 560 * s, 4, 6), ("SDL", 120 * s, 2, 3),
                        ("LIVE", 260 * s, 3, 4), ("LIVE2", 60 * s, 1, 2), ("ROOF", 40 * s, 1, 1), ("SNOW", 30 * s, 1, 1), ("RAIN", 20 * s, 1, 1),
                        ("WX", Within(40), 12, 20), ("WY", Within(40), 12, 20), ("WD", Within(30), 10, 15), ("EX", Within(60), 16, 30),
                        ("EY", Within(60), 16, 30)])
                    {
                        reactions.Append(CultureInfo.InvariantCulture,
                            $"{Label(i, j)},{name},{Within(h):F2},{Within(h):F2},{n:F2},{Within(m):F2},{Within(m):F2},0\n");
                    }
                }
            }

            string Row(IEnumerable<string> labels) => "[" + string.Join(", ", labels.Select(l => $"\"{l}\"")) + "]";
            var rows = Enumerable.Range(0, across).Select(j => Row(Enumerable.Range(0, along).Select(i => Label(i, j))))
                .Concat(Enumerable.Range(0, along).Select(i => Row(Enumerable.Range(0, across).Select(j => Label(i, j)))));
            bases.Append("[[foundation]]\nkind = \"strip\"\nrows = [").AppendJoin(", ", rows).Append("]\n");
        }

        File.WriteAllText(Path.Combine(directory, "plinth.toml"), Toml.Replace("[concrete]", "subgrade-modulus = \"30 MN/m3\"\n[concrete]",
            StringComparison.Ordinal) + bases);
        File.WriteAllText(Path.Combine(directory, "supports.csv"), supports.ToString());
        File.WriteAllText(Path.Combine(directory, "reactions.csv"), reactions.ToString());
    }

    // Half of them hold back soil, of many heights and angles of friction; the others stand free, with moments both ways.
    private static void Walls(int count, string directory)
    {
        var random = new Random(7);
        double Within(double most) => ((random.NextDouble() * 2) - 1) * most;
        var supports = new StringBuilder("support,x (m),y (m),x2 (m),y2 (m),shape,cx (mm)\n");
        var reactions = new StringBuilder("support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm),Mz (kNm)\n");
        var bases = new StringBuilder();
        for (var i = 0; i < count; i++)
        {
            var (x, y, length) = (i % 20 * 14.0, i / 20 * 9.0, 3 + (9 * random.NextDouble()));
            var retains = i % 2 == 0;
            supports.Append(CultureInfo.InvariantCulture, $"W{i + 1},{x:F3},{y:F3},{x + length:F3},{y:F3},wall,{200 + (50 * (i % 4))}\n");
            if (retains)
            {
                var height = Math.Round(1.5 + (2 * random.NextDouble()), 2);
                bases.Append(CultureInfo.InvariantCulture, $$"""
                    [[foundation]]
                    supports = ["W{{i + 1}}"]
                    stem = { height = "{{height + 0.2:F2}} m" }
                    retained = { side = "{{(i % 4 == 0 ? "+" : "-")}}y", height = "{{height:F2}} m", friction-angle = "{{28 + (8 * random.NextDouble()):F1}} deg", pressure = "active", surcharge = "{{i % 3 * 5}} kPa" }

                    """);
            }

            var s = length * (0.3 + random.NextDouble()) * (retains ? 0.3 : 1);
            foreach (var (name, n, h, m) in ((string, double, double, double)[])[("DEAD", 60 * s, 0.3, 0.4), ("SDL", 20 * s, 0.1, 0.2),
                ("LIVE", 30 * s, 0.2, 0.3), ("LIVE2", 10 * s, 0.1, 0.1), ("ROOF", 4 * s, 0, 0), ("SNOW", 5 * s, 0, 0), ("RAIN", 3 * s, 0, 0),
                ("WX", 0, 0.8, 1), ("WY", 0, 0.8, 1), ("WD", 0, 0.6, 0.8), ("EX", 0, 1.2, 1.5), ("EY", 0, 1.2, 1.5)])
            {
                reactions.Append(CultureInfo.InvariantCulture,
                    $"W{i + 1},{name},{Within(3 * h * length):F2},{Within(h * length / 2):F2},{n:F2},{Within(m * length / 2):F2},{Within(6 * m * length):F2},0\n");
            }
        }

        File.WriteAllText(Path.Combine(directory, "plinth.toml"), Toml + bases);
        File.WriteAllText(Path.Combine(directory, "supports.csv"), supports.ToString());
        File.WriteAllText(Path.Combine(directory, "reactions.csv"), reactions.ToString());
    }
}
