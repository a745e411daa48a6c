using System.Text.RegularExpressions;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <summary>Where a raw table stands and how it is laid out.</summary>
/// <param name="File">The file, as written.</param>
/// <param name="FilePlace">Where that is written.</param>
/// <param name="Sheet">Sheet of a workbook; null: the only one.</param>
/// <param name="SheetPlace">Where that is written.</param>
/// <param name="Header">Row of the header; null: found.</param>
/// <param name="UnitsRow">Row of the units; 0: there is none; null: found.</param>
/// <param name="Skip">Rows to skip.</param>
/// <param name="Delimiter">Delimiter of a CSV; null: found.</param>
/// <param name="DecimalSign">Decimal sign of a CSV; null: found.</param>
/// <param name="Encoding">Encoding of a CSV; null: found.</param>
/// <param name="Columns">Header of each column by what it holds.</param>
/// <param name="Units">Units by what they belong to, where neither header nor units row has them.</param>
public sealed record TableSpec(
    string File,
    FilePlace FilePlace,
    string? Sheet,
    FilePlace SheetPlace,
    int? Header,
    int? UnitsRow,
    IReadOnlySet<int> Skip,
    char? Delimiter,
    char? DecimalSign,
    string? Encoding,
    IReadOnlyDictionary<string, (string Header, FilePlace Place)> Columns,
    IReadOnlyDictionary<string, (ReadUnit Unit, string Text)> Units);

/// <summary>How the axes of a model lie in those of the project.</summary>
/// <param name="X">Model axis (0, 1, 2) and sign of the project's x.</param>
/// <param name="Y">The same of its y.</param>
/// <param name="Z">The same of its z, up.</param>
public readonly record struct AxisMap((int Axis, int Sign) X, (int Axis, int Sign) Y, (int Axis, int Sign) Z)
{
    /// <summary>The model's axes are the project's.</summary>
    public static readonly AxisMap Same = new((0, 1), (1, 1), (2, 1));

    /// <summary>By project axis.</summary>
    public (int Axis, int Sign) this[int i] => i switch { 0 => X, 1 => Y, _ => Z };

    /// <summary>+1 if three different axes make a right-handed system, −1 a left-handed one, 0 none.</summary>
    public int Hand
    {
        get
        {
            var order = (X.Axis, Y.Axis, Z.Axis) switch
            {
                (0, 1, 2) or (1, 2, 0) or (2, 0, 1) => 1,
                (0, 2, 1) or (2, 1, 0) or (1, 0, 2) => -1,
                _ => 0
            };
            return order * X.Sign * Y.Sign * Z.Sign;
        }
    }

    /// <summary>As it stands in plinth.toml.</summary>
    public string Text => $"[{One(X)}, {One(Y)}, {One(Z)}]";

    /// <summary>Reads "x", "-z" and the like.</summary>
    public static (int Axis, int Sign)? Axis(string text)
    {
        ArgumentNullException.ThrowIfNull(text);
        var sign = text.StartsWith('-') ? -1 : 1;
        var axis = text.TrimStart('-', '+') switch { "x" => 0, "y" => 1, "z" => 2, _ => -1 };
        return axis < 0 ? null : (axis, sign);
    }

    private static string One((int Axis, int Sign) a) => $"\"{(a.Sign < 0 ? "-" : "")}{"xyz"[a.Axis]}\"";
}

/// <summary>The [import] part of plinth.toml.</summary>
/// <param name="Place">Where it begins.</param>
/// <param name="Reactions">The table of reactions.</param>
/// <param name="Positions">The table of positions; null: none.</param>
/// <param name="Sizes">The table of column sizes, grounds and grids; null: none.</param>
/// <param name="Axes">The model's axes.</param>
/// <param name="AsReaction">Whether the table holds reactions, or actions.</param>
/// <param name="Wide">Pattern of the headers of a wide table, with {case} and {component}; null: long.</param>
/// <param name="Component">The one component that a wide table without {component} holds.</param>
/// <param name="Keep">Patterns of the supports to keep; empty: all.</param>
/// <param name="LeaveOut">Patterns of labels to leave out.</param>
/// <param name="KeepCases">Patterns of the cases to keep; empty: all.</param>
/// <param name="LeaveOutCases">Patterns of cases to leave out.</param>
/// <param name="KeepLevels">Levels of the supports to keep, m; empty: all.</param>
/// <param name="CarryDown">Columns whose empty cells repeat the one above.</param>
/// <param name="Labels">Support by label in the model.</param>
/// <param name="LabelPattern">Pattern of labels in the model; null: none.</param>
/// <param name="LabelTo">What a label that matches becomes.</param>
/// <param name="Cases">Case by its name in the model.</param>
public sealed record ImportSpec(
    FilePlace Place,
    TableSpec Reactions,
    TableSpec? Positions,
    TableSpec? Sizes,
    AxisMap Axes,
    bool AsReaction,
    string? Wide,
    string? Component,
    IReadOnlyList<string> Keep,
    IReadOnlyList<string> LeaveOut,
    IReadOnlyList<string> KeepCases,
    IReadOnlyList<string> LeaveOutCases,
    IReadOnlyList<double> KeepLevels,
    IReadOnlySet<string> CarryDown,
    IReadOnlyDictionary<string, string> Labels,
    Regex? LabelPattern,
    string LabelTo,
    IReadOnlyDictionary<string, string> Cases)
{
    /// <summary>The raw tables, as written.</summary>
    public IEnumerable<string> Files => new[] { Reactions, Positions, Sizes }.OfType<TableSpec>().Select(t => t.File);

    /// <summary>The components of a reaction in order.</summary>
    public static readonly IReadOnlyList<string> Components = ["Fx", "Fy", "Fz", "Mx", "My", "Mz"];
}
