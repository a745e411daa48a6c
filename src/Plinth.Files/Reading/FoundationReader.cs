using System.Collections.Immutable;
using System.Globalization;
using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Kinds;
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

    private readonly List<(List<string> Labels, FoundationKind Kind, Action<string> Add)> unmarked = [];
    private readonly Dictionary<string, int> lastNumbers = new(StringComparer.Ordinal);
    private readonly HashSet<string> writtenOut = new(StringComparer.Ordinal);
    private readonly Dictionary<string, FilePlace> caught = new(StringComparer.Ordinal);

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
        foreach (var label in order)
        {
            if (unmarked.Find(p => p.Labels[0] == label) is { Add: { } add, Kind: var kind })
            {
                add(NextMark(kind, marks));
            }
            else if (unmarked.Any(p => p.Labels.Contains(label)))
            {
                continue;
            }
            else if (!taken.ContainsKey(label))
            {
                Add(NextMark(FoundationKinds.Usual, marks), FoundationKinds.Usual, [new WrittenPlace([label], Lie.AsDrawn)], false, HeldValues.Nothing, rules, null, null, supports[label].Place);
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

    // Labels that are written out: they win over patterns and grounds of `each`.
    private void WriteOut(TableReader t)
    {
        foreach (var key in (string[])["supports", "alike", "each"])
        {
            if (t.Node(key) is { Value: List<TomlNode> list })
            {
                Take(list);
            }
        }

        void Take(IEnumerable<TomlNode> nodes)
        {
            foreach (var node in nodes)
            {
                switch (node.Value)
                {
                    case string label when supports.ContainsKey(label):
                        writtenOut.Add(label);
                        break;
                    case List<TomlNode> inner:
                        Take(inner);
                        break;
                    case TomlTable table when table["supports"] is { Value: List<TomlNode> own }:
                        Take(own);
                        break;
                }
            }
        }
    }

    // The supports that `each` names: labels, patterns, all on a ground; null if something is wrong with it.
    private List<string>? Each(TableReader t)
    {
        foreach (var key in (string[])["mark", "supports", "rows", "alike"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"{key} and each are both given; each gives every support it names a foundation of its own: keep one");
                return null;
            }
        }

        var found = new List<string>();
        foreach (var (text, place) in t.Texts("each") ?? [])
        {
            var ground = text.StartsWith("ground:", StringComparison.Ordinal) ? text["ground:".Length..].Trim() : null;
            if (supports.ContainsKey(text))
            {
                if (!found.Contains(text))
                {
                    found.Add(text);
                }

                continue;
            }

            var matching = order.Where(l => ground is null ? Pattern.Matches(l, text) : GroundOf(supports[l]) == ground).ToList();
            if (matching.Count == 0)
            {
                var near = Nearest.Of(ground ?? text, ground is null ? supports.Keys : grounds.Keys);
                bag.Error(place, ground is null ? $"each: no support is called or matches \"{text}\"" + (near is null ? "" : $"; did you mean \"{near}\"?") : $"each: no support stands on the ground \"{ground}\"" + (near is null || near == ground ? "" : $"; did you mean \"ground:{near}\"?"));
                return null;
            }

            foreach (var label in matching.Where(l => !writtenOut.Contains(l) && !found.Contains(l)))
            {
                if (!caught.TryAdd(label, place))
                {
                    bag.Error(place, $"each: \"{text}\" catches support \"{label}\", which {caught[label]} catches too; write the label out where it belongs");
                    return null;
                }

                found.Add(label);
            }
        }

        if (found.Count == 0)
        {
            t.Fault("each", "each names no support that has no foundation written out; write for example each = [\"C1*\", \"ground:soft\"], or delete the table");
            return null;
        }

        return found;
    }

    private string GroundOf((Support Support, FilePlace Place) s) => s.Support.Ground.Length > 0 ? s.Support.Ground : GroundAt(s.Support, s.Place);

    private FoundationKind? Kind(TableReader t, int columns)
    {
        var usual = FoundationKinds.For(columns);
        if (t.Text("kind") is not { } id)
        {
            return usual;
        }

        if (FoundationKinds.Find(id) is not { } kind)
        {
            t.Fault("kind", $"kind \"{id}\" is not designed in this version; it is {string.Join(" or ", FoundationKinds.All.Select(k => $"\"{k.Id}\""))}");
            return null;
        }

        if (kind.UnderSeveral != columns > 1)
        {
            t.Fault("kind", kind.UnderSeveral ? $"kind \"{id}\" carries several supports on one base, and one is named; name the others, for example supports = [\"C5\", \"C9\"]" : $"kind \"{id}\" carries one support; several on one base are kind \"{usual.Id}\"");
            return null;
        }

        return kind;
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

        var alike = t.Has("alike");
        var places = each is null ? AdoptedReader.Places(t, alike, bag) : [.. each.Select(l => new WrittenPlace([l], Lie.AsDrawn))];
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

        if (Kind(t, places[0].Supports.Count) is not { } kind || !Agree(t, kind, places))
        {
            return;
        }

        var held = Held(t, kind, places[0].Supports);
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
        var overGround = t.Node("ground") is { Value: TomlTable } ? t : null;
        if (each is null)
        {
            Give([.. places.SelectMany(p => p.Supports)], mark, places);
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
                chosen.Add(labels, choice);
            }

            var belongs = mark ?? adopted.Values.FirstOrDefault(a => a.Supports.ToHashSet().SetEquals(labels))?.Mark;
            var add = (string given) =>
            {
                if (t.Log is { } log)
                {
                    Logs[given] = log;
                }

                Add(given, kind, at, alike, held, own, ground, overGround, t.Place, angle, loads);
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

    // Whether the places of a design under several supports are what one design can stand at.
    private bool Agree(TableReader t, FoundationKind kind, IReadOnlyList<WrittenPlace> places)
    {
        var place = t.PlaceOf(t.Has("alike") ? "alike" : "supports");
        foreach (var (labels, lie) in places)
        {
            if (labels.GroupBy(l => l, StringComparer.Ordinal).FirstOrDefault(g => g.Count() > 1) is { } twice)
            {
                bag.Error(place, $"support \"{twice.Key}\" stands twice in one list; name each support once");
                return false;
            }

            if (labels.Count != places[0].Supports.Count)
            {
                bag.Error(place, $"one design is for {places[0].Supports.Count} support{(places[0].Supports.Count == 1 ? "" : "s")} at {places[0].Supports[0]} and for {labels.Count} at {labels[0]}; give each number a mark of its own");
                return false;
            }

            if (kind.UnderSeveral && lie != Lie.AsDrawn)
            {
                bag.Error(place, $"a base under several supports lies by their order, which says how it is turned; write the supports of {string.Join(", ", labels)} in the order in which they stand, without turned and mirrored");
                return false;
            }
        }

        if (!kind.UnderSeveral)
        {
            return true;
        }

        foreach (var key in (string[])["angle", "shift-x", "shift-y"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"{key} is not for a base under several supports, which lies along them; write offset-x, offset-y or hold an edge");
                return false;
            }
        }

        return places.All(p => p.Supports.All(supports.ContainsKey)) is false || Stand(place, places);
    }

    // Supports of one base stand apart, and alike at all places.
    private bool Stand(FilePlace place, IReadOnlyList<WrittenPlace> places)
    {
        var first = Own(places[0].Supports);
        foreach (var (labels, _) in places)
        {
            var own = Own(labels);
            for (var i = 0; i < own.Count; i++)
            {
                for (var j = i + 1; j < own.Count; j++)
                {
                    if (Math.Abs(own[i].X - own[j].X) + Math.Abs(own[i].Y - own[j].Y) < Apart)
                    {
                        bag.Error(place, $"supports \"{labels[i]}\" and \"{labels[j]}\" stand at one point; mend their places in supports.csv, or carry one of them");
                        return false;
                    }
                }

                if (Math.Max(Math.Abs(own[i].X - first[i].X), Math.Abs(own[i].Y - first[i].Y)) > Apart + 1e-9)
                {
                    bag.Error(place, $"{string.Join(", ", labels)} stand otherwise than {string.Join(", ", places[0].Supports)}: \"{labels[i]}\" by {Math.Max(Math.Abs(own[i].X - first[i].X), Math.Abs(own[i].Y - first[i].Y)) * 1000:0.#} mm; one design is for places alike to 1 mm: give them marks of their own");
                    return false;
                }
            }
        }

        return true;

        // From the first support, along the line to the last.
        List<PlanPoint> Own(IReadOnlyList<string> labels)
        {
            var at = labels.Select(l => supports[l].Support).ToList();
            var angle = Math.Atan2(at[^1].Y - at[0].Y, at[^1].X - at[0].X);
            var (sin, cos) = (Math.Sin(angle), Math.Cos(angle));
            return [.. at.Select(s => new PlanPoint(((s.X - at[0].X) * cos) + ((s.Y - at[0].Y) * sin), ((s.Y - at[0].Y) * cos) - ((s.X - at[0].X) * sin)))];
        }
    }

    // Nearer than this supports stand at one point, and places are alike, m.
    private const double Apart = 0.001;

    private HeldValues Held(TableReader t, FoundationKind kind, IReadOnlyList<string> labels)
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

        var (width, endWidth) = kind.UnderSeveral ? t.Widths("width") : (t.QuantityOrNull("width", Measure.Length, Sign.Positive), null);
        var trapezoid = endWidth is not null;
        if (kind.UnderSeveral)
        {
            trapezoid = t.Choice("outline", trapezoid, ("rectangle", false), ("trapezoid", true));
            _ = t.Choice("soil", false, ("rigid", false), ("springs", true)) is true && Springs();
            if (trapezoid && width is not null && endWidth is null)
            {
                t.Fault("width", "a trapezoid has a width at each end; write for example width = [\"2.4 m\", \"1.6 m\"], at −x and at +x, or leave both open");
            }
            else if (!trapezoid && endWidth is not null)
            {
                t.Fault("width", "a rectangle has one width; write one, or outline = \"trapezoid\"");
            }
        }

        bool Springs()
        {
            t.Fault("soil", "soil = \"springs\" is not designed in this version: the base is taken as rigid; write soil = \"rigid\", or leave it out");
            return true;
        }

        var held = new HeldValues
        {
            Length = t.QuantityOrNull("length", Measure.Length, Sign.Positive),
            Width = width,
            EndWidth = endWidth,
            Trapezoid = trapezoid,
            Own = OwnOf(t, kind, labels),
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
            BottomY = kind.UnderSeveral ? null : t.Bars("bottom-y"),
            TopX = t.Bars("top-x"),
            TopY = t.Bars("top-y"),
            Exposed = t.Flag("exposed", false),
            Built = t.Flag("built", false),
        };
        Conflict(t, "x", held.EdgeX0, held.EdgeX1, "length", held.Length);
        Conflict(t, "y", held.EdgeY0, held.EdgeY1, "width", held.Width);
        return held;
    }

    // What a kind's designs have beyond what all have, held in tables within: bottom-y = { at.C5 = "9 T16", rest = "T12 @ 250 mm" }.
    private ImmutableDictionary<string, FieldValue> OwnOf(TableReader t, FoundationKind kind, IReadOnlyList<string> labels)
    {
        if (!kind.UnderSeveral || !t.Has("bottom-y"))
        {
            return ImmutableDictionary<string, FieldValue>.Empty;
        }

        if (t.Node("bottom-y") is { Value: not TomlTable } node)
        {
            bag.Error(node.Place, $"bottom-y of a {kind.Title} goes by columns and between them; write for example bottom-y = {{ at.{TomlText.Key(labels[0])} = \"9 T16\", rest = \"T12 @ 250 mm\" }}");
            return ImmutableDictionary<string, FieldValue>.Empty;
        }

        var found = ImmutableDictionary<string, FieldValue>.Empty;
        var inner = t.Inner("bottom-y");
        var at = inner.Inner("at");
        foreach (var field in kind.Fields(labels).Where(f => f is { Form: FieldForm.Bars, Path: ["bottom-y", ..] }))
        {
            if ((field.Path.Count == 3 ? at : inner).Bars(field.Path[^1]) is { } bars)
            {
                found = found.Add(string.Join('.', field.Path), new FieldValue.Bars(bars));
            }
        }

        at.Done();
        inner.Done();
        return found;
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
            if (!described.Foundation.Places.Select(p => p.Name).ToHashSet().SetEquals(entry.Places.Select(p => string.Join(", ", p.Supports))))
            {
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"), $"[{entry.Mark}] belongs to {string.Join(", ", entry.Supports)} here, but to {string.Join(", ", described.Foundation.Supports.Select(s => s.Label))} at {described.Place}; delete the table to have it sized anew");
            }
            else if (described.Foundation.Kind != entry.Kind)
            {
                bag.Error(entry.Spot("kind"), $"[{entry.Mark}] is kind \"{entry.Kind.Id}\" here, but \"{described.Foundation.Kind.Id}\" at {described.Place}; delete the table to have it sized anew");
            }
            else if (entry.Places.FirstOrDefault(p => described.Foundation.Places.Single(d => d.Support.Label == p.Supports[0]).Lie != p.Lie) is { } other)
            {
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"), $"[{entry.Mark}] lies otherwise at {other.Supports[0]} than at {described.Place}; make the two agree, or delete the table to have it sized anew");
            }

            return;
        }

        var labels = entry.Supports.ToList();
        foreach (var label in labels)
        {
            if (!supports.ContainsKey(label))
            {
                var near = Nearest.Of(label, supports.Keys);
                bag.Error(entry.Spot(entry.Alike ? "alike" : "supports"), $"[{entry.Mark}] stands under support \"{label}\", which supports.csv does not have; delete the table, or name the support" + (near is null ? "" : $" (nearest: \"{near}\")"));
                return;
            }
        }

        if (!entry.Kind.UnderSeveral || Stand(entry.Spot(entry.Alike ? "alike" : "supports"), entry.Places))
        {
            Add(entry.Mark, entry.Kind, entry.Places, entry.Alike, HeldValues.Nothing, rules, null, null, entry.Spot(""));
        }
    }

    private void Add(string mark, FoundationKind kind, IReadOnlyList<WrittenPlace> written, bool alike, HeldValues held, RuleSet own, string? ground, TableReader? overGround, FilePlace place, double? angle = null, IReadOnlyList<PlanLoad>? loads = null)
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
                    bag.Error(place, $"foundation {mark}: support \"{label}\" does not stand in supports.csv" + (near is null ? "" : $"; did you mean \"{near}\"?"));
                    return;
                }

                if (!taken.TryAdd(label, (mark, place)))
                {
                    bag.Error(place, $"support \"{label}\" belongs to {mark} here and to {taken[label].Mark} at {taken[label].Place}; a support has one foundation: delete one");
                    return;
                }

                var here = ground ?? GroundOf(support);
                if (groundName is not null && groundName != here)
                {
                    bag.Error(place, $"foundation {mark}: {labels[0]} stands on the ground \"{groundName}\" and {label} on \"{here}\"; name the one by which their base is designed, for example ground = \"{(groundName.Length > 0 ? groundName : here)}\"");
                    return;
                }

                groundName = here;
                stand.Add(support.Support);
            }

            var basis = grounds.TryGetValue(groundName!, out var named) ? named.Rules : rules.Ground;
            var values = overGround is null ? basis : GroundReader.Read(overGround.Inner("ground"), basis, basis.Name);
            first ??= values;
            var along = Math.Atan2(stand[^1].Y - stand[0].Y, stand[^1].X - stand[0].X) * 180 / Math.PI;
            places.Add(new Place(stand, stand.Count > 1 ? Math.Round(along, 9) : angle ?? stand[0].AngleDegrees, values).Lying(lie));
        }

        if (loads is { Count: > 0 } && places.Exists(p => p.Lie.Mirrored))
        {
            bag.Error(place, $"foundation {mark}: a mirrored base cannot have loads beside its columns, which are given along the base's axes; give these places a mark of their own");
        }

        byMark.Add(mark, (new Foundation(mark, places, alike, held, own with { Ground = first! }) { Loads = loads ?? [], Kind = kind }, place));
    }
}
