using System.Globalization;

namespace Plinth.Fuzz;

/// <summary>Two commands at one project at once: no edit that was said to be written is lost.</summary>
internal sealed class Pairs(Target target)
{
    /// <summary>Runs so many pairs.</summary>
    /// <returns>0 if nothing was lost.</returns>
    public int Run(int runs)
    {
        using var corpus = new Corpus(target);
        var folder = corpus.Projects[0];
        var (both, told, lost) = (0, 0, 0);
        for (var i = 0; i < runs; i++)
        {
            string[] values = [$"{600 + i} mm", $"{1600 + i} mm"];
            var exits = new int[2];
            Parallel.For(0, 2, side => exits[side] = target.Run(folder, "set", side == 0 ? "F1" : "F3", "thickness=" + values[side]).Exit);
            var text = File.ReadAllText(Path.Combine(folder, "adopted.toml"));
            var wrong = Enumerable.Range(0, 2)
                .Count(side => text.Contains($"\"{values[side]}\"", StringComparison.Ordinal) != (exits[side] != 2));
            lost += wrong;
            both += exits.All(e => e != 2) ? 1 : 0;
            told += exits.Count(e => e == 2);
        }

        var left = Folders.Left(folder);
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"{runs} pairs: {both} both written, {told} told to try again, {lost} LOST, {left.Count} left behind")
            .Replace("0 LOST", "0 lost", StringComparison.Ordinal));
        return lost + left.Count == 0 ? 0 : 1;
    }
}
