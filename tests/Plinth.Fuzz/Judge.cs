using System.Globalization;
using System.Text.Json;

namespace Plinth.Fuzz;

/// <summary>Says what of a run must never be.</summary>
internal static class Judge
{
    /// <summary>What is found of a call that takes too long.</summary>
    public const string TooSlow = "over 5 s";

    private const double Above = 1 + 1e-9;
    private const double SecondsOfGroup = 8;

    private static readonly string[] Adopting = ["size", "set", "group", "options"];

    /// <summary>What is wrong with a run; null: nothing.</summary>
    /// <param name="target">The program.</param>
    /// <param name="folder">The project as the run left it.</param>
    /// <param name="before">What its files held.</param>
    /// <param name="call">The arguments.</param>
    /// <param name="ran">What came of it.</param>
    public static string? Fault(Target target, string folder, SortedDictionary<string, string> before, IReadOnlyList<string> call, Ran ran)
    {
        if (ran.Exit is not (0 or 1 or 2))
        {
            return string.Create(CultureInfo.InvariantCulture, $"exit {ran.Exit}: {ran.Error.Split('\n')[0]}");
        }

        if ((ran.Out + ran.Error).Contains("   at Plinth", StringComparison.Ordinal))
        {
            return "a stack trace";
        }

        // The choice of types searches for its eight seconds, and says so.
        if (ran.Seconds > Target.MostSeconds + (call[0] == "group" ? SecondsOfGroup : 0))
        {
            return TooSlow;
        }

        if (ran.Megabytes > Target.MostMegabytes)
        {
            return "over 1 GB";
        }

        if (ran.Exit == 2 && ran.Error.Length == 0)
        {
            return "exit 2 without a word";
        }

        if (Steers(ran.Out) || Steers(ran.Error))
        {
            return "a control character on the terminal";
        }

        if (Folders.Left(folder) is { Count: > 0 } left)
        {
            return "left behind: " + left[0];
        }

        var after = Folders.Digests(folder);
        if (before.FirstOrDefault(f => after.GetValueOrDefault(f.Key) != f.Value && !MayChange(f.Key, call)).Key is { } changed)
        {
            return "changed an input: " + changed;
        }

        return Results(call, ran) ?? Adopted(target, folder, call, ran, before, after);
    }

    private static bool Steers(string text) =>
        text.Any(c => (char.IsControl(c) && c is not ('\n' or '\t')) || c is >= '\u202A' and <= '\u202E' or >= '\u2066' and <= '\u2069');

    private static bool MayChange(string file, IReadOnlyList<string> call) =>
        file == "adopted.toml" ? Adopting.Contains(call[0]) : call[0] == "import" && file.EndsWith(".csv", StringComparison.Ordinal);

    // What was adopted must be read again, and pass as it was said to.
    private static string? Adopted(Target target, string folder, IReadOnlyList<string> call, Ran ran,
        SortedDictionary<string, string> before, SortedDictionary<string, string> after)
    {
        if (!Adopting.Contains(call[0]) || ran.Exit == 2
            || before.GetValueOrDefault("adopted.toml") == after.GetValueOrDefault("adopted.toml"))
        {
            return null;
        }

        string[] check = ["check", "--format", "json"];
        var again = target.Run(folder, check);
        return again.Exit is 0 or 1
            ? Results(check, again) is { } fault ? "after it: " + fault : null
            : "adopted what cannot be read: " + again.Error.Split('\n')[0];
    }

    private static string? Results(IReadOnlyList<string> call, Ran ran)
    {
        if (ran.Exit == 2 || !call.Contains("--format"))
        {
            return null;
        }

        if (call.Contains("csv"))
        {
            return ran.Out.Contains('∞') || ran.Out.Contains("NaN", StringComparison.Ordinal)
                || ran.Out.Contains("Infinity", StringComparison.Ordinal) ? "a number in CSV that is none" : null;
        }

        try
        {
            using var json = JsonDocument.Parse(ran.Out);
            return json.RootElement.TryGetProperty("foundations", out var foundations) && call[0] is "check" or "size"
                ? Passes(foundations, ran.Exit)
                : null;
        }
        catch (JsonException e)
        {
            return "no JSON: " + e.Message;
        }
    }

    private static string? Passes(JsonElement foundations, int exit)
    {
        if (foundations.ValueKind != JsonValueKind.Array)
        {
            return null;
        }

        foreach (var f in foundations.EnumerateArray())
        {
            var passes = f.GetProperty("passes").GetBoolean();
            if (!passes && exit == 0)
            {
                return "exit 0 although one fails";
            }

            if (!f.TryGetProperty("checks", out var checks))
            {
                continue;
            }

            foreach (var c in checks.EnumerateArray())
            {
                // What is only shown is no part of the verdict.
                var leave = c.TryGetProperty("shown", out _) || c.TryGetProperty("waived", out _) || c.TryGetProperty("accepted", out _)
                    || c.TryGetProperty("accepted_up_to", out _);
                if (!leave && c.GetProperty("utilisation").GetDouble() > Above && (passes || c.GetProperty("passes").GetBoolean()))
                {
                    return $"a pass above 1: {f.GetProperty("mark").GetString()} {c.GetProperty("id").GetString()} "
                        + $"{c.GetProperty("utilisation").GetDouble().ToString(CultureInfo.InvariantCulture)}";
                }
            }
        }

        return null;
    }
}
