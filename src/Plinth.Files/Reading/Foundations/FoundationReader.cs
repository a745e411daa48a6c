using System.Collections.Immutable;
using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Grids;
using Plinth.Core.Ground;
using Plinth.Core.Kinds;
using Plinth.Core.Loads;
using Plinth.Core.Piles;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>
/// Makes the foundations: those that plinth.toml describes, those that adopted.toml names, and one of its own for every other support.
/// </summary>
internal sealed partial class FoundationReader(RuleSet rules, IReadOnlyDictionary<string, (GroundRules Rules, TomlTable? Table)> grounds,
    IReadOnlyDictionary<string, (Support Support, FilePlace Place)> supports, IReadOnlyList<string> order,
    IReadOnlyDictionary<string, AdoptedEntry> adopted, CombinationChoice chosen, IReadOnlyList<LoadCase> cases, DiagnosticBag bag)
{
    private readonly Dictionary<string, (Foundation Foundation, FilePlace Place)> byMark = new(StringComparer.Ordinal);
    private readonly Dictionary<string, (string Mark, FilePlace Place)> taken = new(StringComparer.Ordinal);

    private readonly List<(List<string> Labels, FoundationKind Kind, Action<string> Add)> unmarked = [];
    private readonly Dictionary<string, int> lastNumbers = new(StringComparer.Ordinal);
    private readonly HashSet<string> writtenOut = new(StringComparer.Ordinal);
    private readonly Dictionary<string, FilePlace> caught = new(StringComparer.Ordinal);
    private readonly ILookup<string, AdoptedEntry> adoptedAt = adopted.Values.SelectMany(a => a.Supports,
        (a, label) => (Label: label, Entry: a)).ToLookup(a => a.Label, a => a.Entry, StringComparer.Ordinal);
    private HashSet<TableReader> freed = [];
    private readonly Dictionary<(TableReader, PileRules), PileRules> pilesRead = [];
    private readonly HashSet<FilePlace> pilesMissing = [];

    /// <summary>What was read of the tables of foundations, by mark.</summary>
    public Dictionary<string, SettingsLog> Logs { get; } = new(StringComparer.Ordinal);

    /// <summary>What the project is read with beside its files; null: they alone.</summary>
    public ProjectDraft? Draft { get; init; }

    /// <summary>The concrete code; null: it is at fault already.</summary>
    public ConcreteCode? Code { get; init; }

    /// <summary>Units of messages.</summary>
    public UnitSystem Units { get; init; }

    public List<Foundation> Read(IReadOnlyList<TableReader> tables)
    {
        freed = Draft is { } draft ? [.. tables.SkipLast(draft.Tables)] : [];
        var marks = new HashSet<string>(adopted.Keys, StringComparer.Ordinal);
        foreach (var t in tables)
        {
            if (t.Node("mark") is { Value: string mark })
            {
                marks.Add(mark.Trim());
            }
        }

        foreach (var t in tables)
        {
            WriteOut(t);
        }

        foreach (var t in tables)
        {
            One(t, marks);
        }

        foreach (var entry in adopted.Values)
        {
            FromAdopted(entry);
        }

        // Marks that nobody gave follow the order of supports.csv.
        var first = new Dictionary<string, (FoundationKind Kind, Action<string> Add)>(StringComparer.Ordinal);
        foreach (var (labels, kind, add) in unmarked)
        {
            first.TryAdd(labels[0], (kind, add));
        }

        var later = unmarked.SelectMany(p => p.Labels).ToHashSet(StringComparer.Ordinal);
        foreach (var label in order)
        {
            if (first.TryGetValue(label, out var own))
            {
                own.Add(NextMark(own.Kind, marks));
            }
            else if (!later.Contains(label) && !taken.ContainsKey(label))
            {
                var kind = FoundationKinds.For(supports[label].Support);
                Add(NextMark(kind, marks), kind, [new WrittenPlace([label], Lie.AsDrawn)], false, HeldValues.Nothing, rules, null, null,
                    supports[label].Place);
            }
        }

        foreach (var (grid, place) in byMark.Values.Where(v => v.Foundation.Row is { Number: 0 })
            .Select(v => (v.Foundation.Row!.Grid, v.Place)))
        {
            if (byMark.TryGetValue(grid, out var other))
            {
                bag.Error(place,
                    $"mark \"{grid}\" names all rows of this grid, and the foundation at {other.Place}; give one of them another");
            }
        }

        return [.. byMark.Values.Select(v => v.Foundation).OrderBy(f => f.Mark, MarkOrder.Natural)];
    }

    // The ground in whose area a support stands; the default where it stands in none.
    private string GroundAt(Support support, FilePlace place)
    {
        var within =
            grounds.Where(g => g.Value.Rules.Area.Count > 0
                && PlanPolygon.Contains(g.Value.Rules.Area, new PlanPoint(support.X, support.Y))).Select(g => g.Key).ToList();
        if (within.Count > 1)
        {
            bag.Error(place,
                $"support \"{support.Label}\" stands in the areas of {string.Join(" and ", within.Select(g => $"[grounds.{g}]"))}; name "
                    + "its ground in the column ground, or part the areas");
        }

        return within.Count > 0 ? within[0] : "";
    }

    private string NextMark(FoundationKind kind, HashSet<string> marks)
    {
        while (true)
        {
            var number = lastNumbers[kind.MarkLetters] = lastNumbers.GetValueOrDefault(kind.MarkLetters) + 1;
            var mark = kind.MarkLetters + number.ToString(CultureInfo.InvariantCulture);
            if (marks.Add(mark))
            {
                return mark;
            }
        }
    }

    private FoundationKind? Kind(TableReader t, IReadOnlyList<WrittenPlace> places)
    {
        var columns = places[0].Supports.Count;
        var usual = FoundationKinds.For(columns);
        var walls = places.SelectMany(p => p.Supports).Where(l => supports.TryGetValue(l, out var s) && s.Support.IsWall).ToList();
        if (t.Text("kind") is not { } id)
        {
            usual = walls.Count > 0 ? FoundationKinds.For(supports[walls[0]].Support) : usual;
            return Walls(usual) ? usual : null;
        }

        if (FoundationKinds.Find(id, t.Has) is not { } kind)
        {
            t.Fault("kind",
                $"kind \"{id}\" is not designed in this version; it is "
                    + $"{string.Join(" or ", FoundationKinds.Ids.Select(k => $"\"{k}\""))}");
            return null;
        }

        if (!kind.Carries(columns))
        {
            t.Fault("kind",
                kind.UnderSeveral && columns == 1
                    ? $"kind \"{id}\" carries {kind.Carried}, and one is named; name the others, for example supports = [\"C5\", \"C9\"]"
                    : kind.UnderSeveral
                        ? $"kind \"{id}\" carries {kind.Carried}, and {columns} are named; several on one base are kind \"{usual.Id}\""
                        : $"kind \"{id}\" carries {kind.Carried}; several on one base are kind \"{usual.Id}\"");
            return null;
        }

        return Walls(kind) ? kind : null;

        // A wall has a footing of its own, of its own kind.
        bool Walls(FoundationKind of)
        {
            var key = t.Has("kind") ? "kind" : t.Has("each") ? "each" : t.Has("alike") ? "alike" : "supports";
            if (walls.Count > 0 && columns > 1)
            {
                t.Fault(key, $"\"{walls[0]}\" is a wall, which shares no base with other supports; give it a foundation of its own");
            }
            else if (walls.Count > 0 && !of.OfWalls)
            {
                t.Fault(key, $"\"{walls[0]}\" is a wall: its foundation is kind \"{FoundationKinds.For(supports[walls[0]].Support).Id}\"");
            }
            else if (of.OfWalls && places.SelectMany(p => p.Supports).FirstOrDefault(l => !walls.Contains(l) && supports.ContainsKey(l)) is
            { } column)
            {
                t.Fault(key, $"kind \"{of.Id}\" carries {of.Carried}, and \"{column}\" is a column; write shape wall with x2 and y2 "
                    + "where it is a wall, or leave kind out");
            }
            else
            {
                return true;
            }

            return false;
        }
    }

    private void One(TableReader t, HashSet<string> marks)
    {
        var mark = t.Text("mark")?.Trim();
        if (mark is not null && (mark.Length == 0 || !mark.All(c => char.IsLetterOrDigit(c) || c is '-' or '_' or '.')))
        {
            t.Fault("mark", $"mark \"{mark}\" may hold letters, digits, dots, hyphens and underscores only");
            return;
        }

        if (mark is not null && !SupportsReader.Label(mark, "mark", t.PlaceOf("mark"), bag))
        {
            return;
        }

        List<string>? each = null;
        if (t.Has("each") && (each = Each(t)) is null)
        {
            return;
        }

        var (alike, isGrid) = (t.Has("alike"), t.Has("rows"));
        var places = isGrid ? RowsOf(t)
            : each is null ? AdoptedReader.Places(t, alike, bag)
            : [.. each.Select(l => new WrittenPlace([l], Lie.AsDrawn))];
        if (isGrid && places is null)
        {
            return;
        }

        if (alike && t.Has("supports"))
        {
            t.Fault("supports",
                "supports and alike are both given; keep one: supports are carried together, alike are places of one design");
        }

        if (places is null && !alike && !isGrid && !t.Has("supports") && mark is not null && adopted.TryGetValue(mark, out var known))
        {
            (places, alike) = (known.Places, known.Alike);
        }

        if (places is null)
        {
            if (!t.Has("alike") && !t.Has("supports"))
            {
                t.Missing("supports", "[\"C7\"]");
            }

            return;
        }

        if (freed.Contains(t) && places.Any(p => p.Supports.Any(Draft!.Freed.Contains)))
        {
            places = [.. places.Where(p => !p.Supports.Any(Draft!.Freed.Contains))];
            if (places.Count == 0)
            {
                return;
            }
        }

        if (Kind(t, places) is not { } kind || !(isGrid ? places.All(p => Agree(t, kind, [p])) : Agree(t, kind, places))
            || (isGrid && !CrossesOthers(t, kind)))
        {
            return;
        }

        var held = Held(t, kind, isGrid ? [.. places.SelectMany(p => p.Supports).Distinct()] : places[0].Supports);
        var wall = Wall(t, kind);
        var angle = t.Has("angle") ? t.QuantityOrNull("angle", Measure.Angle, Sign.Any) : null;
        string? ground = null;
        if (t.Node("ground") is { Value: string name })
        {
            ground = name;
            if (!grounds.ContainsKey(name))
            {
                t.Fault("ground",
                    $"there is no [grounds.{name}]; "
                        + (Nearest.Of(name, grounds.Keys) is { } near ? $"did you mean \"{near}\"?" : "write the table"));
                ground = null;
            }
        }

        var choice = CombinationChoice.Read(t);
        var loads = PlanLoadReader.Read(t.Each("load"), cases, isGrid ? places.Count : 0, bag);
        var own = new RuleSet(
            rules.Ground,
            LimitStateReader.Stability(t.Inner("stability"), rules.Stability, rules.Ground.Design),
            RuleReader.Concrete(t.Inner("concrete"), rules.Concrete),
            RuleReader.Steel(t.Inner("steel"), rules.Steel, bag),
            RuleReader.Sizing(t.Inner("sizing"), rules.Sizing),
            RuleReader.Rates(t.Inner("rates"), rules.Rates))
        {
            Column = ColumnReader.Column(t.Inner("column"), rules.Column),
            Pedestal = ColumnReader.Socket(t.Inner("socket"), ColumnReader.Pedestal(t.Inner("pedestal"), rules.Pedestal)),
        };
        CodeReader.Agree(t.Inner("concrete"), t.Inner("steel"), Code);
        CodeReader.Covers(t.Inner("concrete"), own.Concrete, own.Steel, t.Has("concrete") ? Code : null, bag);
        PlacesAgree(t, t.Inner("piles"));
        t.Done();
        var overGround = t.Node("ground") is { Value: TomlTable } ? t : null;
        var overPiles = t.Has("piles") ? t : null;
        if (isGrid && places.SelectMany(p => p.Supports).FirstOrDefault(l => supports.TryGetValue(l, out var s)
            && own.Pedestal.Carries(s.Support)) is { } standing)
        {
            t.Fault("rows", $"\"{standing}\" stands on a pedestal or in a socket, which is not designed on a grid of strips; write "
                + "pedestal = { under = \"none\" } here, or give its row a foundation of its own");
            return;
        }

        if (each is null)
        {
            Give(isGrid ? [.. places[0].Supports] : [.. places.SelectMany(p => p.Supports)], mark, places);
            return;
        }

        foreach (var place in places)
        {
            Give([.. place.Supports], null, [place]);
        }

        void Give(List<string> labels, string? mark, IReadOnlyList<WrittenPlace> at)
        {
            if (choice is not null)
            {
                foreach (var own in isGrid ? at.Select(p => p.Supports) : [labels])
                {
                    chosen.Add(own, choice);
                }
            }

            var belongs = mark ?? adoptedAt[labels[0]].FirstOrDefault(a => a.Supports.ToHashSet().SetEquals(labels))?.Mark;
            if (isGrid && mark is null && (belongs = GridOf(belongs)) is { } known)
            {
                marks.Add(known);
            }

            var add = (string given) =>
            {
                if (isGrid)
                {
                    AddRows(t, given, at, row => Add(GridRow.MarkOf(given, row), kind, [at[row]], false, held, own, ground, overGround,
                        t.Place, angle, [.. loads.Where(l => l.Row == row).Select(l => l.Load)], overPiles, wall, given));
                    return;
                }

                if (t.Log is { } log)
                {
                    Logs[given] = log;
                }

                Add(given, kind, at, alike, held, own, ground, overGround, t.Place, angle, [.. loads.Select(l => l.Load)], overPiles, wall);
            };
            if (belongs is not null || !supports.ContainsKey(labels[0]))
            {
                add(belongs ?? NextMark(kind, marks));
            }
            else
            {
                unmarked.Add((labels, kind, add));
            }
        }
    }
}
