using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Units;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Reading;

/// <summary>Finds designs that contradict what is held, their levels or their columns.</summary>
public static class DesignFaults
{
    /// <summary>
    /// Finds them. What the engineer wrote by hand and contradicts is an error; what sizing wrote is stale, and sized anew.
    /// </summary>
    /// <returns>Marks whose tables are stale.</returns>
    internal static HashSet<string> Find(IReadOnlyList<Foundation> foundations, IReadOnlyDictionary<string, AdoptedEntry> adopted,
        UnitSystem units, IReadOnlyDictionary<string, (Support Support, FilePlace Place)> supports, DiagnosticBag bag)
    {
        var stale = new HashSet<string>(StringComparer.Ordinal);
        foreach (var f in foundations)
        {
            Levels(f, units, supports, bag);
            if (!adopted.TryGetValue(f.Mark, out var entry))
            {
                continue;
            }

            var faults = Held(f, entry.Design, units);
            if (Impossible(f, entry.Design, units) is { } impossible)
            {
                faults.Add((impossible.Key, impossible.Message, true));
            }

            foreach (var (key, message, breaks) in faults)
            {
                if (entry.ByHand)
                {
                    bag.Error(entry.Spot(key),
                        $"[{f.Mark}] {message}" + (breaks ? "" : "; delete the table to have it sized anew, or make the two agree"));
                }
                else if (stale.Add(f.Mark))
                {
                    bag.Warning(entry.Spot(key), $"[{f.Mark}] {message}; it was sized before that: plinth size finds it anew", "stale");
                }
            }
        }

        return stale;
    }

    /// <summary>What of a design differs from what plinth.toml holds for its foundation; null: nothing.</summary>
    public static string? Contradiction(Foundation f, FoundationDesign design, UnitSystem units) =>
        Held(f, design, units) is [var first, ..] ? first.Message : null;

    /// <summary>What makes a design impossible, whatever its loads: column beyond the base, levels that cross.</summary>
    public static (string Key, string Message)? Impossible(Foundation f, FoundationDesign design, UnitSystem units)
    {
        ArgumentNullException.ThrowIfNull(f);
        ArgumentNullException.ThrowIfNull(design);
        return f.Kind.FaultOfPlan(f, design, units) ?? Standing(f, design)
            ?? (BaseLevels.Fault(f, design.Size.Thickness, units) is { } level ? ("thickness", level) : null);
    }

    // What is adopted between column and base must be what plinth.toml asks for, and hold the column.
    private static (string Key, string Message)? Standing(Foundation f, FoundationDesign design)
    {
        var (fit, column, support) = BaseGeometry.Standing(f, design);
        var key = f.Kind.Fields(f.Places[0]).Where(k => k.Form == FieldForm.Pedestal).ElementAtOrDefault(column)?.Key ?? "";
        return fit switch
        {
            PedestalFit.Fits => null,
            PedestalFit.Missing =>
                ("",
                    "has no pedestal, which plinth.toml asks for; delete the table to have it sized anew, or write pedestal.size, "
                        + "pedestal.bars and pedestal.ties"),
            PedestalFit.NotAsked =>
                (key, "has a pedestal, which plinth.toml does not ask for; write [pedestal] under = \"all\", or delete its keys here"),
            PedestalFit.SocketMissing =>
                (key,
                    "has no socket, which plinth.toml asks for; delete the table to have it sized anew, or write pedestal.socket and "
                        + "pedestal.wall"),
            PedestalFit.SocketNotAsked =>
                (key,
                    "has a socket, which plinth.toml does not ask for; write [socket] under = \"concrete\", or delete pedestal.socket and "
                        + "pedestal.wall"),
            PedestalFit.ColumnBeyond =>
                (key, $"the column or its plate at {support.Label} stands beyond the pedestal; make the pedestal larger"),
            PedestalFit.SocketNarrow =>
                (key,
                    $"the column of {support.Label} with [socket] gap on every side does not go into the socket; make pedestal.size larger "
                        + "or pedestal.wall thinner"),
            _ =>
                (key,
                    $"the socket of {support.Label} with its bed reaches below the top of the base; make it less deep, raise the rim, or "
                        + "found the base deeper"),
        };
    }

    // With the top held, no thickness can help a level that lies below it.
    private static void Levels(Foundation f, UnitSystem units, IReadOnlyDictionary<string, (Support Support, FilePlace Place)> supports,
        DiagnosticBag bag)
    {
        foreach (var (place, support) in f.Places.SelectMany(p => p.Supports.Select(s => (p, s))))
        {
            if (f.Rules.Pedestal.HoldsInSocket(support)
                && Math.Abs(Math.IEEERemainder(support.AngleDegrees - place.AngleDegrees, 90)) > 1e-6)
            {
                bag.Error(supports[support.Label].Place,
                    $"support \"{support.Label}\": its precast column is turned against its base, and a socket is not designed for that; "
                        + "give the foundation the column's angle");
            }

            if (place.Ground.TopDepth is { } top && support.Level is { } level && level < place.Ground.Level - top - 1e-6)
            {
                string Show(double v) => Dimension.Plan(v, units);
                bag.Error(supports[support.Label].Place,
                    $"support \"{support.Label}\": its reactions act at level {Show(level)}, below the top of its base at "
                        + $"{Show(place.Ground.Level - top)} (top-depth); give its foundation a deeper ground.top-depth or a "
                        + "ground.founding-depth, or mend the level");
            }
        }
    }

    private static List<(string Key, string Message, bool Breaks)> Held(Foundation f, FoundationDesign design, UnitSystem units)
    {
        var found = new List<(string Key, string Message, bool Breaks)>();
        void Differs(string key, bool differs, string name, string here, string there)
        {
            if (differs)
            {
                found.Add((key, $"{key} {here} differs from {name} {there}, which plinth.toml holds for it", false));
            }
        }

        string L(double v) => Dimension.Section(v, units);
        string W((double Low, double High) w) => w.Low == w.High ? L(w.Low) : $"{Dimension.PlainSection(w.Low, units)}/{L(w.High)}";
        void Length(string key, double? stated, double value, string name) =>
            Differs(key, stated is { } v && Math.Abs(v - value) > 1e-6, name, L(value), L(stated ?? 0));
        foreach (var field in f.Kind.Fields(f.Places[0]))
        {
            if (field.Held(f, design) is { } held)
            {
                var there = field.Get(design);
                if (held.Value is FieldValue.Bars { Spec: var stated })
                {
                    var here = there is FieldValue.Bars b ? b.Spec : BarSpec.None;
                    Differs(field.Key, field.Layer is { } layer ? layer(f, design, stated) != layer(f, design, here) : stated != here,
                        held.Name, $"\"{here}\"", $"\"{stated}\"");
                }
                else if (held.Value is FieldValue.Places { Points: var at })
                {
                    var own = there is FieldValue.Places places ? places.Points : [];
                    Differs(field.Key,
                        at.Count != own.Count
                            || at.Zip(own).Any(z => Math.Abs(z.First.X - z.Second.X) > 1e-6 || Math.Abs(z.First.Y - z.Second.Y) > 1e-6),
                        held.Name, own.Count == 0 ? "is missing, it" : $"of {own.Count} piles", $"of {at.Count}");
                }
                else if (held.Value is FieldValue.Word or FieldValue.Turn)
                {
                    Differs(field.Key, !Equals(held.Value, there ?? (held.Value is FieldValue.Turn ? new FieldValue.Turn(0) : null)),
                        held.Name, Word(there ?? (held.Value is FieldValue.Turn ? new FieldValue.Turn(0) : null)), Word(held.Value));
                }
                else if (Widths(held.Value) is { } a && (Widths(there) ?? (field.Form == FieldForm.Shift ? (0, 0) : null)) is { } b)
                {
                    Differs(field.Key, Math.Abs(a.Low - b.Low) > 1e-6 || Math.Abs(a.High - b.High) > 1e-6, held.Name, W(b), W(a));
                }
            }

            if (field.Get(design) is FieldValue.Upright { Of: var p })
            {
                var rules = f.Rules.Pedestal;
                Length(field.Key + ".size", rules.SizeX, p.SizeX, "[pedestal] size");
                Length(field.Key + ".size", rules.SizeY, p.SizeY, "[pedestal] size");
                Differs(field.Key + ".bars", rules.Bars is { } pb && pb != p.Bars, "[pedestal] bars", $"\"{p.Bars}\"", $"\"{rules.Bars}\"");
                Differs(field.Key + ".ties", rules.Ties is { } pt && pt != p.Ties, "[pedestal] ties", $"\"{p.Ties}\"", $"\"{rules.Ties}\"");
                if (p.Socket is { } socket)
                {
                    Length(field.Key + ".socket", rules.Sockets.Depth, socket.Depth, "[socket] depth");
                    Length(field.Key + ".wall", rules.Sockets.Wall, socket.Wall, "[socket] wall");
                }
            }
        }

        foreach (var (field, i) in f.Kind.Fields(f.Places[0]).Where(d => d.Form == FieldForm.Dowels).Select((d, i) => (d, i)))
        {
            if (design.Under(i).Dowels is { Size: not null } dowels && !f.Places.Any(p => p.Supports[i].IsConcrete))
            {
                found.Add((field.Key, $"has dowels \"{dowels}\", but no concrete column stands on it; delete {field.Key} here", true));
            }
        }

        return found;
    }

    private static string Word(FieldValue? value) => value switch
    {
        FieldValue.Word w => $"\"{w.Text}\"",
        FieldValue.Turn t => $"{90 * t.Quarters}°",
        _ => "that is not given",
    };

    private static (double Low, double High)? Widths(FieldValue? value) => value switch
    {
        FieldValue.Length v => (v.Metres, v.Metres),
        FieldValue.Ends e => (e.Low, e.High),
        _ => null,
    };
}
