using System.Collections.Immutable;
using System.Globalization;
using Plinth.Core.Buildings;
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
        var loads = PlanLoadReader.Read(t.Each("load"), cases, bag);
        var own = new RuleSet(
            rules.Ground,
            RuleReader.Stability(t.Inner("stability"), rules.Stability),
            RuleReader.Concrete(t.Inner("concrete"), rules.Concrete),
            RuleReader.Steel(t.Inner("steel"), rules.Steel, bag),
            RuleReader.Sizing(t.Inner("sizing"), rules.Sizing),
            RuleReader.Rates(t.Inner("rates"), rules.Rates))
        {
            Column = ColumnReader.Column(t.Inner("column"), rules.Column),
            Pedestal = ColumnReader.Socket(t.Inner("socket"), ColumnReader.Pedestal(t.Inner("pedestal"), rules.Pedestal)),
        };
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
            belongs = isGrid && mark is null ? GridOf(belongs) : belongs;
            var add = (string given) =>
            {
                if (isGrid)
                {
                    AddRows(t, given, at, row => Add(GridRow.MarkOf(given, row), kind, [at[row]], false, held, own, ground, overGround,
                        t.Place, angle, loads, overPiles, wall, given));
                    return;
                }

                if (t.Log is { } log)
                {
                    Logs[given] = log;
                }

                Add(given, kind, at, alike, held, own, ground, overGround, t.Place, angle, loads, overPiles, wall);
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

    private void Add(string mark, FoundationKind kind, IReadOnlyList<WrittenPlace> written, bool alike, HeldValues held, RuleSet own,
        string? ground, TableReader? overGround, FilePlace place, double? angle = null, IReadOnlyList<PlanLoad>? loads = null,
        TableReader? overPiles = null, WallRules? wall = null, string? grid = null)
    {
        if (byMark.TryGetValue(mark, out var other))
        {
            bag.Error(place, $"mark \"{mark}\" stands twice: also at {other.Place}; marks must differ");
            return;
        }

        var places = new List<Place>();
        GroundRules? first = null;
        foreach (var (labels, lie) in written)
        {
            var stand = new List<Support>();
            string? groundName = null;
            foreach (var label in labels)
            {
                if (!supports.TryGetValue(label, out var support))
                {
                    var near = Nearest.Of(label, supports.Keys);
                    bag.Error(place,
                        $"foundation {mark}: support \"{label}\" does not stand in supports.csv"
                            + (near is null ? "" : $"; did you mean \"{near}\"?"));
                    return;
                }

                if (!taken.TryAdd(label, (mark, place)) && !(grid is not null && taken[label].Place == place))
                {
                    bag.Error(place,
                        $"support \"{label}\" belongs to {mark} here and to {taken[label].Mark} at {taken[label].Place}; a support has one "
                            + "foundation: delete one");
                    return;
                }

                var here = ground ?? GroundOf(support);
                if (groundName is not null && groundName != here && !kind.OnSprings)
                {
                    Differ(label, here);
                    return;
                }

                groundName ??= here;
                stand.Add(wall is { IsMasonry: true } ? support.Support with { IsMasonryWall = true } : support.Support);
            }

            var basis = grounds.TryGetValue(groundName!, out var named) ? named.Rules : rules.Ground;
            var values = overGround is null ? basis : GroundReader.Read(overGround.Inner("ground"), basis, basis.Name);
            first ??= values;
            var along = Math.Atan2(stand[^1].Y - stand[0].Y, stand[^1].X - stand[0].X) * 180 / Math.PI;
            var standing = new Place(stand, stand.Count > 1 ? Math.Round(along, 9) : angle ?? stand[0].AngleDegrees, values)
            {
                Along = kind.OnSprings && ground is null ? Crossed() : [],
            };
            string Beneath(Support s) => GroundAlong.At(standing, new PlanPoint(s.X, s.Y)).Name;
            if (kind.OnSprings && ground is null && stand.Find(s => GroundOf(supports[s.Label]) != Beneath(s)) is { } apart)
            {
                // A column may be named to stand on other ground than its place in plan says.
                Differ(apart.Label, GroundOf(supports[apart.Label]));
                return;
            }

            places.Add(standing.Lying(lie));

            void Differ(string label, string here) => bag.Error(place,
                $"foundation {mark}: {labels[0]} stands on the ground \"{groundName}\" and {label} on \"{here}\"; name the one by "
                    + $"which their base is designed, for example ground = \"{(groundName!.Length > 0 ? groundName : here)}\"");

            // By area in plan; what stands first lies between them.
            List<GroundRules> Crossed()
            {
                var some = grounds.Where(g => g.Value.Rules.Area.Count > 0).Select(g => Over(g.Value.Rules)).ToList();
                return some.Count == 0 ? [] : [.. some, basis.Area.Count == 0 ? values : Over(rules.Ground)];
            }

            GroundRules Over(GroundRules own) => overGround is null ? own : GroundReader.Read(overGround.Inner("ground"), own, own.Name);
        }

        own = kind.RulesOf(own with { Ground = first!, Piles = PilesOf(overPiles, first!.Piles) });
        if (!kind.BearsOnGround && places.Find(p => !own.Piles.KnownIn(p.Ground)) is { } lacking && pilesMissing.Add(place))
        {
            var named = lacking.Ground.Name.Length > 0 ? $"grounds.{lacking.Ground.Name}" : "ground";
            bag.Error(place,
                $"foundation {mark}: give "
                    + (own.Piles.Size is null ? "piles.size, for example piles.size = \"450 mm\""
                        : "piles.compression, what one pile may carry, for example piles.compression = \"650 kN\", or "
                            + $"[[{named}.layer]] with undrained or shaft-factor, from which it is found")
                    + ", here or in [piles]");
        }

        if (loads is { Count: > 0 } && places.Exists(p => p.Lie.Mirrored))
        {
            bag.Error(place,
                $"foundation {mark}: a mirrored base cannot have loads beside its columns, which are given along the base's axes; give "
                    + "these places a mark of their own");
        }

        var foundation = new Foundation(mark, places, alike, held, own)
        { Loads = loads ?? [], Kind = kind, Wall = wall ?? WallRules.Nothing };
        if (kind.FaultOfHeld(foundation) is { } fault)
        {
            bag.Error(place, $"foundation {mark}: {fault}");
        }

        byMark.Add(mark, (foundation, place));
    }
}
