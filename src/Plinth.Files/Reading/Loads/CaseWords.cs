using System.Text.RegularExpressions;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>What the names of cases suggest, by generic trade words.</summary>
internal static partial class CaseWords
{
    /// <summary>What to say about a case of the reactions that [cases] does not name.</summary>
    public static string WithoutSymbol(string name)
    {
        var guess = Guess(name, false);
        return $"case \"{name}\" has no symbol; add it to [cases] in plinth.toml, for example {TomlText.Key(name)} = \"{guess ?? "D"}\""
            + (guess is null ? " (D, L, Lr, S, R, W, E, H, F or T)" : "");
    }

    /// <summary>The symbol that a case's name suggests, by generic trade words; null: none.</summary>
    /// <param name="name">The case.</param>
    /// <param name="european">Whether in the symbols of EN 1990.</param>
    public static string? Guess(string name, bool european = false)
    {
        var guess = GuessAmerican(name.ToUpperInvariant());
        return !european ? guess : guess switch { "D" => "G", "L" or "Lr" => "Q", "R" or "H" or "F" => null, _ => guess };
    }

    // What a word begins with, the telling ones first: a roof's live load is Lr, an earthquake is no earth pressure.
    private static readonly (string Start, string Symbol)[] Words =
    [
        ("EARTHQ", "E"), ("SEIS", "E"), ("QUAKE", "E"), ("SNOW", "S"), ("RAIN", "R"), ("ROOF", "Lr"), ("WIND", "W"), ("DEAD", "D"),
        ("SDL", "D"), ("SELF", "D"), ("PERM", "D"), ("SUPERIMP", "D"), ("COLL", "D"), ("FINISH", "D"), ("FACADE", "D"),
        ("LIVE", "L"), ("IMPOSED", "L"), ("CRANE", "L"), ("STORAGE", "L"), ("TEMP", "T"), ("THERM", "T"), ("EARTH", "H"), ("SOIL", "H"),
        ("BACKFILL", "H"), ("FLUID", "F"),
    ];

    // Short names that stand alone, with a direction, a number or a sign after them: WX, W90-, E1, DL.
    private static readonly (string Name, string Symbol)[] Short =
        [("DL", "D"), ("SW", "D"), ("LL", "L"), ("LR", "Lr"), ("SL", "S"), ("WL", "W"), ("EQ", "E"), ("D", "D"), ("G", "D"), ("L", "L"),
            ("Q", "L"), ("S", "S"), ("R", "R"), ("W", "W"), ("E", "E"), ("H", "H"), ("F", "F"), ("T", "T")];

    private static string? GuessAmerican(string n)
    {
        string[] parts = [.. Letters().Matches(n).Select(m => m.Value)];
        foreach (var (start, symbol) in Words)
        {
            if (parts.Any(p => p.StartsWith(start, StringComparison.Ordinal)))
            {
                return symbol;
            }
        }

        var first = Alone().Match(n);
        return first.Success ? Short.FirstOrDefault(w => w.Name == first.Groups[1].Value).Symbol : null;
    }

    [GeneratedRegex(@"\p{L}+")]
    private static partial Regex Letters();

    [GeneratedRegex(@"^(DL|SW|LL|LR|SL|WL|EQ|[DGLQSRWEHFT])([XYZ][PN]?S?)?[\d\s_+./-]*([XYZ]|[PN])?[+-]?$")]
    private static partial Regex Alone();
}
