using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Toml;

/// <summary>A key that was read, with the value in force after it.</summary>
/// <param name="Table">The table: "ground", "sizing.range".</param>
/// <param name="Key">The key.</param>
/// <param name="Value">A number in kN, m, degrees, or text as written; null: nothing is stated and there is no default.</param>
/// <param name="Measure">What a number measures; null: a plain number or text.</param>
/// <param name="Place">Where it is set; null: it is not, and the value is the default or what the table falls back on.</param>
public sealed record Setting(string Table, string Key, object? Value, Measure? Measure, FilePlace? Place);

/// <summary>Keeps what was read of some tables, for those who ask where a value comes from.</summary>
public sealed class SettingsLog
{
    private readonly List<Setting> settings = [];

    /// <summary>What was read, in order.</summary>
    public IReadOnlyList<Setting> Settings => settings;

    /// <summary>Keeps a key.</summary>
    public void Add(Setting setting) => settings.Add(setting);

    /// <summary>Forgets a key of a table.</summary>
    public void Drop(string table, string key) => settings.RemoveAll(s => s.Table == table && s.Key == key);
}

/// <summary>What was read of a project's tables.</summary>
/// <param name="Project">Of the tables that hold for all.</param>
/// <param name="Grounds">Of named grounds.</param>
/// <param name="Foundations">Of the tables of foundations, by mark.</param>
public sealed record SettingsBook(SettingsLog Project, IReadOnlyDictionary<string, SettingsLog> Grounds,
    IReadOnlyDictionary<string, SettingsLog> Foundations)
{
    /// <summary>
    /// Every value in force for a foundation and where it was set: its own table before that of its ground, that before the project's, that
    /// before the default.
    /// </summary>
    /// <param name="foundation">The foundation.</param>
    public IReadOnlyList<Setting> Of(Core.Foundations.Foundation foundation)
    {
        ArgumentNullException.ThrowIfNull(foundation);
        var logs = new List<SettingsLog> { Project };
        if (Grounds.TryGetValue(foundation.Places[0].Ground.Name, out var ground))
        {
            logs.Add(ground);
        }

        if (Foundations.TryGetValue(foundation.Mark, out var own))
        {
            logs.Add(own);
        }

        var values = new Dictionary<(string, string), Setting>();
        foreach (var setting in logs.SelectMany(l => l.Settings))
        {
            var key = (setting.Table, setting.Key);
            if (setting.Place is not null || !values.ContainsKey(key))
            {
                values[key] = setting;
            }
        }

        return [.. values.Values];
    }
}
