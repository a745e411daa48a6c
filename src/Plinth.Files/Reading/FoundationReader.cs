using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Makes the foundations: those that plinth.toml describes, those that adopted.toml names, and one of its own for every other support.</summary>
internal sealed class FoundationReader(RuleSet rules, IReadOnlyDictionary<string, (GroundRules Rules, TomlTable? Table)> grounds, IReadOnlyDictionary<string, (Support Support, FilePlace Place)> supports, IReadOnlyList<string> order, IReadOnlyDictionary<string, AdoptedEntry> adopted, CombinationChoice chosen, IReadOnlyList<LoadCase> cases, DiagnosticBag bag)
{
    private readonly Dictionary<string, (Foundation Foundation, FilePlace Place)> byMark = new(StringComparer.Ordinal);
    private readonly Dictionary<string, (string Mark, FilePlace Place)> taken = new(StringComparer.Ordinal);

    private readonly List<(List<string> Labels, Action<string> Add)> unmarked = [];
    private int lastNumber;

    /// <summary>What was read of the tables of foundations, by mark.</summary>
    public Dictionary<string, SettingsLog> Logs { get; } = new(StringComparer.Ordinal);

    public List<Foundation> Read(IReadOnlyList<TableReader> tables)
    {
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
            One(t, marks);
        }

        foreach (var entry in adopted.Values)
        {
            FromAdopted(entry);
        }

        // Marks that nobody gave follow the order of supports.csv.
        foreach (var label in order)
        {
            if (unmarked.Find(p => p.Labels[0] == label) is { Add: { } add })
            {
                add(NextMark(marks));
            }
            else if (unmarked.Any(p => p.Labels.Contains(label)))
            {
                continue;
            }
            else if (!taken.ContainsKey(label))
            {
                Add(NextMark(marks), [new WrittenPlace([label], Lie.AsDrawn)], false, HeldValues.Nothing, rules, null, null, supports[label].Place);
            }
        }

        return [.. byMark.Values.Select(v => v.Foundation).OrderBy(f => f.Mark, MarkOrder.Natural)];
    }

    // The ground in whose area a support stands; the default where it stands in none.
    private string GroundAt(Support support, FilePlace place)
    {
        var within = grounds.Where(g => g.Value.Rules.Area.Count > 0 && PlanPolygon.Contains(g.Value.Rules.Area, new PlanPoint(support.X, support.Y))).Select(g => g.Key).ToList();
        if (within.Count > 1)
        {
            bag.Error(place, $"support \"{support.Label}\" stands in the areas of {string.Join(" and ", within.Select(g => $"[grounds.{g}]"))}; name its ground in the column ground, or part the areas");
        }

        return within.Count > 0 ? within[0] : "";
    }

    private string NextMark(HashSet<string> marks)
    {
        while (true)
        {
            var mark = "F" + (++lastNumber).ToString(CultureInfo.InvariantCulture);
            if (marks.Add(mark))
            {
                return mark;
            }
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

        var alike = t.Has("alike");
        var places = AdoptedReader.Places(t, alike, bag);
        if (alike && t.Has("supports"))
        {
            t.Fault("supports", "supports and alike are both given; keep one: supports are carried together, alike are places of one design");
        }

        if (places is null && !alike && !t.Has("supports") && mark is not null && adopted.TryGetValue(mark, out var known))
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

        var labels = new List<string>();
        foreach (var (group, _) in places)
        {
            if (group.Count > 1)
            {
                bag.Error(t.Place, $"a base under several supports ({string.Join(", ", group)}) is not designed yet in this version; give each support a base of its own");
                return;
            }

            labels.AddRange(group);
        }

        var held = Held(t);
        var angle = t.Has("angle") ? t.QuantityOrNull("angle", Measure.Angle, Sign.Any) : null;
        string? ground = null;
        if (t.Node("ground") is { Value: string name })
        {
            ground = name;
            if (!grounds.ContainsKey(name))
            {
                t.Fault("ground", $"there is no [grounds.{name}]; " + (Nearest.Of(name, grounds.Keys) is { } near ? $"did you mean \"{near}\"?" : "write the table"));
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
        t.Done();
        if (choice is not null)
        {
            chosen.Add(labels, choice);
        }

        var overGround = t.Node("ground") is { Value: TomlTable } ? t : null;
        var belongs = mark ?? adopted.Values.FirstOrDefault(a => a.Supports.ToHashSet().SetEquals(labels))?.Mark;
        var add = (string given) =>
        {
            if (t.Log is { } log)
            {
                Logs[given] = log;
            }

            Add(given, places, alike, held, own, ground, overGround, t.Place, angle, loads);
        };
        if (belongs is not null || !supports.ContainsKey(labels[0]))
        {
            add(belongs ?? NextMark(marks));
        }
        else
        {
            unmarked.Add((labels, add));
        }
    }

    private HeldValues Held(TableReader t)
    {
        HeldEdge? Edge(string key)
        {
            if (t.Node(key) is not { } node)
            {
                return null;
            }

            if (node.Value is "column")
            {
                return new HeldEdge(true, 0);
            }

            return t.Quantity(key, node, Measure.Length, Sign.Positive) is { } d ? new HeldEdge(false, d) : null;
        }

        var held = new HeldValues
        {
            Length = t.QuantityOrNull("length", Measure.Length, Sign.Positive),
            Width = t.QuantityOrNull("width", Measure.Length, Sign.Positive),
            Thickness = t.QuantityOrNull("thickness", Measure.Length, Sign.Positive),
            EdgeX0 = Edge("edge-x0"),
            EdgeX1 = Edge("edge-x1"),
            EdgeY0 = Edge("edge-y0"),
            EdgeY1 = Edge("edge-y1"),
            OffsetX = t.Quantity("offset-x", Measure.Length, 0, Sign.Any),
            OffsetY = t.Quantity("offset-y", Measure.Length, 0, Sign.Any),
            OffsetXGiven = t.Has("offset-x"),
            OffsetYGiven = t.Has("offset-y"),
            BottomX = t.Bars("bottom-x"),
            BottomY = t.Bars("bottom-y"),
            TopX = t.Bars("top-x"),
            TopY = t.Bars("top-y"),
            Exposed = t.Flag("exposed", false),
            Built = t.Flag("built", false),
        };
        Conflict(t, "x", held.EdgeX0, held.EdgeX1, "length", held.Length);
        Conflict(t, "y", held.EdgeY0, held.EdgeY1, "width", held.Width);
        return held;
    }

    private static void Conflict(TableReader t, string axis, HeldEdge? low, HeldEdge? high, string side, double? given)
    {
        if ((low is not null || high is not null) && t.Has("offset-" + axis))
        {
            t.Fault("offset-" + axis, $"offset-{axis} and a held edge along {axis} are both given; keep one");
        }

        if (low is not null && high is not null && given is not null)
        {
            t.Fault(side, $"{side} and both edges along {axis} are given; keep two of the three");
        }
    }

    private void FromAdopted(AdoptedEntry entry)
    {
        if (byMark.TryGetValue(entry.Mark, out var described))
        {
            if (!described.Foundation.Places.Select(p => p.Support.Label).ToHashSet().SetEquals(entry.Supports))
            {
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"), $"[{entry.Mark}] belongs to {string.Join(", ", entry.Supports)} here, but to {string.Join(", ", described.Foundation.Places.Select(p => p.Support.Label))} at {described.Place}; delete the table to have it sized anew");
            }
            else if (entry.Places.FirstOrDefault(p => described.Foundation.Places.Single(d => d.Support.Label == p.Supports[0]).Lie != p.Lie) is { } other)
            {
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"), $"[{entry.Mark}] lies otherwise at {other.Supports[0]} than at {described.Place}; make the two agree, or delete the table to have it sized anew");
            }

            return;
        }

        var labels = entry.Supports.ToList();
        if (entry.Places.Any(p => p.Supports.Count != 1))
        {
            bag.Error(entry.Spot("supports"), $"[{entry.Mark}]: a base under several supports is not designed yet in this version");
            return;
        }

        foreach (var label in labels)
        {
            if (!supports.ContainsKey(label))
            {
                var near = Nearest.Of(label, supports.Keys);
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"), $"[{entry.Mark}] stands under support \"{label}\", which supports.csv does not have; delete the table, or name the support" + (near is null ? "" : $" (nearest: \"{near}\")"));
                return;
            }
        }

        Add(entry.Mark, entry.Places, entry.Alike, HeldValues.Nothing, rules, null, null, entry.Spot(""));
    }

    private void Add(string mark, IReadOnlyList<WrittenPlace> written, bool alike, HeldValues held, RuleSet own, string? ground, TableReader? overGround, FilePlace place, double? angle = null, IReadOnlyList<PlanLoad>? loads = null)
    {
        if (byMark.TryGetValue(mark, out var other))
        {
            bag.Error(place, $"mark \"{mark}\" stands twice: also at {other.Place}; marks must differ");
            return;
        }

        var places = new List<Place>();
        GroundRules? first = null;
        foreach (var (label, lie) in written.Select(w => (w.Supports[0], w.Lie)))
        {
            if (!supports.TryGetValue(label, out var support))
            {
                var near = Nearest.Of(label, supports.Keys);
                bag.Error(place, $"foundation {mark}: support \"{label}\" does not stand in supports.csv" + (near is null ? "" : $"; did you mean \"{near}\"?"));
                return;
            }

            if (!taken.TryAdd(label, (mark, place)))
            {
                bag.Error(place, $"support \"{label}\" belongs to {mark} here and to {taken[label].Mark} at {taken[label].Place}; a support has one foundation: delete one");
                return;
            }

            var groundName = ground ?? (support.Support.Ground.Length > 0 ? support.Support.Ground : GroundAt(support.Support, support.Place));
            var basis = grounds.TryGetValue(groundName, out var named) ? named.Rules : rules.Ground;
            var values = overGround is null ? basis : GroundReader.Read(overGround.Inner("ground"), basis, basis.Name);
            first ??= values;
            places.Add(new Place(support.Support, angle ?? support.Support.AngleDegrees, values).Lying(lie));
        }

        if (loads is { Count: > 0 } && places.Exists(p => p.Lie.Mirrored))
        {
            bag.Error(place, $"foundation {mark}: a mirrored base cannot have loads beside its columns, which are given along the base's axes; give these places a mark of their own");
        }

        byMark.Add(mark, (new Foundation(mark, places, alike, held, own with { Ground = first! }) { Loads = loads ?? [] }, place));
    }
}
