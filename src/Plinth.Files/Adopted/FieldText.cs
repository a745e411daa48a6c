using System.Globalization;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;
using Plinth.Files.Toml;

namespace Plinth.Files.Adopted;

/// <summary>Fields of a design as text: in tables of adopted.toml and as `set` and `check --set` give them.</summary>
public static class FieldText
{
    private const string NoPedestal = "there is no pedestal to change; ask for one in plinth.toml: [pedestal] under = \"all\"";

    // What of a pedestal may be set.
    private static readonly string[] OfPedestal = ["size", "bars", "ties", "socket", "wall"];

    /// <summary>The keys that `set` and `check --set` change.</summary>
    public static IEnumerable<string> Keys(IEnumerable<DesignField> fields) =>
        fields.Where(f => f.Form != FieldForm.Places)
            .SelectMany(f => f.Form == FieldForm.Pedestal ? OfPedestal.Select(k => $"{f.Key}.{k}") : [f.Key]);

    /// <summary>A field's keys with their values as TOML text; none where it is not written.</summary>
    /// <param name="field">The field.</param>
    /// <param name="design">The design.</param>
    /// <param name="us">Whether in inches.</param>
    public static IEnumerable<(string Key, string Value)> Write(DesignField field, FoundationDesign design, bool us)
    {
        ArgumentNullException.ThrowIfNull(field);
        string Length(double metres) => TomlText.Length(metres, us);
        switch (field.Get(design))
        {
            case FieldValue.Length length:
                yield return (field.Key, Length(length.Metres));
                break;
            case FieldValue.Ends ends:
                yield return (field.Key, $"[{Length(ends.Low)}, {Length(ends.High)}]");
                break;
            case FieldValue.Bars bars:
                yield return (field.Key, Bars(bars.Spec));
                break;
            case FieldValue.Word word:
                yield return (field.Key, TomlText.Quote(word.Text));
                break;
            case FieldValue.Places places:
                yield return (field.Key, "[" + string.Join(", ", places.Points.Select(p => $"[{Length(p.X)}, {Length(p.Y)}]")) + "]");
                break;
            case FieldValue.Turn turn:
                yield return (field.Key, TomlText.Quote(Degrees(turn)));
                break;
            case FieldValue.Upright { Of: var p }:
                if (p.Round)
                {
                    yield return (field.Key + ".shape", TomlText.Quote("round"));
                }

                yield return (field.Key + ".size", p.Round ? Length(p.SizeX) : $"[{Length(p.SizeX)}, {Length(p.SizeY)}]");
                yield return (field.Key + ".bars", Bars(p.Bars));
                yield return (field.Key + ".ties", TomlText.Quote(p.Ties.ToString()));
                if (p.Socket is { } socket)
                {
                    yield return (field.Key + ".socket", Length(socket.Depth));
                    yield return (field.Key + ".wall", Length(socket.Wall));
                }

                break;
        }
    }

    private static string Degrees(FieldValue.Turn turn) => string.Create(CultureInfo.InvariantCulture, $"{90 * turn.Quarters} deg");

    /// <summary>A layer of bars as TOML: text where it is straight and even, else a table.</summary>
    public static string Bars(BarSpec bars)
    {
        ArgumentNullException.ThrowIfNull(bars);
        if (!bars.Hooked && bars.Band == 0)
        {
            return TomlText.Quote(bars.ToString());
        }

        var what = bars.Band > 0
            ? string.Create(CultureInfo.InvariantCulture,
                $"band = \"{bars.Band} {bars.Size!.Name}\", rest = "
                    + $"\"{(bars.Count > bars.Band ? $"{bars.Count - bars.Band} {bars.Size.Name}" : "none")}\"")
            : $"bars = \"{bars.Straight}\"";
        return "{ " + what + (bars.Hooked ? ", ends = \"hooked\"" : "") + " }";
    }

    /// <summary>Reads fields of a table; reports what is missing or wrong.</summary>
    /// <param name="t">The table.</param>
    /// <param name="kind">The kind of foundation.</param>
    /// <param name="supports">Labels of the supports, in order.</param>
    /// <returns>The design; null where something was reported.</returns>
    internal static FoundationDesign? Read(TableReader t, FoundationKind kind, IReadOnlyList<string> supports)
    {
        var design = kind.Blank(supports);
        var whole = true;
        var tables = new Dictionary<string, TableReader>(StringComparer.Ordinal);
        foreach (var field in kind.Fields(supports))
        {
            var (inner, key) = (Within(t, field.Path, tables), field.Path[^1]);
            var replaced = field.Unless is { } other && Within(t, other, tables)?.Has(other[^1]) == true;
            if (inner is null || !inner.Has(key))
            {
                if (field.Required && !replaced)
                {
                    t.Missing(field.Key, field.Example);
                    whole = false;
                }

                continue;
            }

            if (replaced)
            {
                inner.Fault(key, $"{key} and {string.Join('.', field.Unless!)} are both given; keep one");
                whole = false;
            }
            else if (field.Form == FieldForm.Pedestal)
            {
                var (pedestal, dowels) = ColumnReader.Adopted(inner.Inner(key));
                design = pedestal is null ? design : field.Put(design, new FieldValue.Upright(pedestal));
                whole &= pedestal is not null;

                // Dowels may stand with the pedestal that holds them.
                if (dowels is not null
                    && kind.Fields(supports)
                        .First(f => f.Form == FieldForm.Dowels && f.Path.SkipLast(1).SequenceEqual(field.Path.SkipLast(1))) is var of
                    && of.Get(design) is null)
                {
                    design = of.Put(design, new FieldValue.Bars(dowels));
                }
            }
            else if (Value(inner, key, field) is { } value)
            {
                design = field.Put(design, value);
            }
            else
            {
                whole = false;
            }
        }

        foreach (var inner in tables.Values)
        {
            inner.Done();
        }

        return whole ? design : null;
    }

    // The table in which the last part of a path stands; null: there is none.
    private static TableReader? Within(TableReader t, IReadOnlyList<string> path, Dictionary<string, TableReader> tables)
    {
        for (var i = 0; i < path.Count - 1; i++)
        {
            var name = string.Join('\u0001', path.Take(i + 1));
            if (!tables.TryGetValue(name, out var inner))
            {
                if (!t.Has(path[i]))
                {
                    return null;
                }

                tables.Add(name, inner = t.Inner(path[i]));
            }

            t = inner;
        }

        return t;
    }

    /// <summary>The value of a field under a key of a table; null where something was reported.</summary>
    internal static FieldValue? Value(TableReader t, string key, DesignField field) => field.Form switch
    {
        FieldForm.Word => Word(t, key, field),
        FieldForm.Turn => Turn(t, key),
        FieldForm.Length => t.QuantityOrNull(key, Measure.Length, Sign.Positive) is { } v ? new FieldValue.Length(v) : null,
        FieldForm.Shift => t.QuantityOrNull(key, Measure.Length, Sign.Any) is { } v ? new FieldValue.Length(v) : null,
        FieldForm.Widths =>
            t.Widths(key) switch
            {
                ({ } one, null) => new FieldValue.Length(one),
                ({ } low, { } high) => new FieldValue.Ends(low, high),
                _ => null
            },
        FieldForm.Places => t.Points(key, 1) is { } points ? new FieldValue.Places(points) : null,
        FieldForm.Dowels => ColumnReader.Upright(t, key) is { } bars ? new FieldValue.Bars(bars) : null,
        _ => t.Bars(key) is { } bars ? new FieldValue.Bars(bars) : null,
    };

    private static FieldValue.Word? Word(TableReader t, string key, DesignField field)
    {
        if (t.Text(key)?.Trim() is not { } text)
        {
            return null;
        }

        if (field.IsWord(text) is { } fault)
        {
            t.Fault(key, fault);
            return null;
        }

        return new FieldValue.Word(text);
    }

    private const string WholeTurns = "is a whole number of quarter turns; write 0, 90, 180 or 270 deg";

    private static FieldValue.Turn? Turn(TableReader t, string key)
    {
        if (t.QuantityOrNull(key, Measure.Angle, Sign.Any) is not { } degrees)
        {
            return null;
        }

        if (Quarters(degrees) is not { } quarters)
        {
            t.Fault(key, $"{key} {WholeTurns}");
            return null;
        }

        return new FieldValue.Turn(quarters);
    }

    private static int? Quarters(double degrees) =>
        Math.Abs((degrees / 90) - Math.Round(degrees / 90)) > 1e-9 ? null : (((int)Math.Round(degrees / 90) % 4) + 4) % 4;

    /// <summary>A design with a value of a key as `set` and `check --set` give it; reports nothing, tells the fault.</summary>
    /// <param name="design">The design to change.</param>
    /// <param name="fields">Its fields.</param>
    /// <param name="key">One of <see cref="Keys"/>.</param>
    /// <param name="value">The value, without quotes.</param>
    /// <param name="fault">Why not; null if it could be read.</param>
    public static FoundationDesign? With(FoundationDesign design, IReadOnlyList<DesignField> fields, string key, string value,
        out string? fault)
    {
        ArgumentNullException.ThrowIfNull(design);
        ArgumentNullException.ThrowIfNull(fields);
        ArgumentNullException.ThrowIfNull(key);
        ArgumentNullException.ThrowIfNull(value);
        var plain = key.Replace("\"", "", StringComparison.Ordinal);
        if (fields.FirstOrDefault(f => f.Form != FieldForm.Pedestal && (f.Key == key || string.Join('.', f.Path) == plain)) is { } field)
        {
            if (field.Form == FieldForm.Places
                || (field.Unless is { } other && fields.Any(f => f.Path.SequenceEqual(other) && f.Get(design) is not null)))
            {
                var instead = string.Join('.', field.Unless ?? field.Path);
                fault = field.Form == FieldForm.Places
                    || fields.Any(f => f.Form == FieldForm.Places && field.Unless is { } own && f.Path.SequenceEqual(own))
                    ? $"places of their own are changed in plinth.toml or adopted.toml: {instead} is a list of points, in place of a layout"
                    : $"{field.Key} goes by {instead} here; set that, or take {instead} out of the table in adopted.toml";
                return null;
            }

            return Parsed(field, key, value, out fault) is { } parsed ? field.Put(design, parsed) : null;
        }

        if (fields.FirstOrDefault(f => f.Form == FieldForm.Pedestal
            && OfPedestal.Any(k => $"{string.Join('.', f.Path)}.{k}" == plain)) is { } upright)
        {
            if (upright.Get(design) is not FieldValue.Upright { Of: var pedestal })
            {
                fault = key.EndsWith(".socket", StringComparison.Ordinal) || key.EndsWith(".wall", StringComparison.Ordinal)
                    ? PedestalText.NoSocket
                    : NoPedestal;
                return null;
            }

            return PedestalText.With(pedestal, key, plain[(plain.LastIndexOf('.') + 1)..], value, out fault) is { } changed
                ? upright.Put(design, new FieldValue.Upright(changed))
                : null;
        }

        string[] keys = [.. Keys(fields)];
        var near = Nearest.Of(key, keys);
        fault = $"there is no key \"{key}\"; " + (near is null ? $"keys are {string.Join(", ", keys)}" : $"did you mean \"{near}\"?");
        return null;
    }

    /// <summary>
    /// A key with its value as TOML text, as `set` writes it: lengths and pedestals as they were typed, bars as the design has them.
    /// </summary>
    /// <param name="fields">The design's fields.</param>
    /// <param name="design">The design with the value.</param>
    /// <param name="key">The key.</param>
    /// <param name="value">The value as typed.</param>
    public static (string Key, string Value) Written(IReadOnlyList<DesignField> fields, FoundationDesign design, string key, string value)
    {
        ArgumentNullException.ThrowIfNull(key);
        ArgumentNullException.ThrowIfNull(value);
        string Sides(string[] sides) => $"[{TomlText.Quote(sides[0])}, {TomlText.Quote(sides[^1])}]";
        var plain = key.Replace("\"", "", StringComparison.Ordinal);
        var field = fields.First(f => key == f.Key || plain == string.Join('.', f.Path)
            || (f.Form == FieldForm.Pedestal && plain.StartsWith(string.Join('.', f.Path) + ".", StringComparison.Ordinal)));
        return (field.Form, field.Get(design)) switch
        {
            (FieldForm.Bars or FieldForm.Shaft, FieldValue.Bars bars) => (field.Key, Bars(bars.Spec)),
            (FieldForm.Widths, FieldValue.Ends) => (field.Key, Sides(PedestalText.Sides(value))),
            (FieldForm.Pedestal, FieldValue.Upright { Of.Round: false }) when plain.EndsWith(".size", StringComparison.Ordinal) =>
                (field.Key + ".size", Sides(PedestalText.Sides(value))),
            (FieldForm.Pedestal, _) => (field.Key + plain[plain.LastIndexOf('.')..], TomlText.Quote(value)),
            _ => (field.Key, TomlText.Quote(value)),
        };
    }

    private static FieldValue? Parsed(DesignField field, string key, string value, out string? fault)
    {
        switch (field.Form)
        {
            case FieldForm.Length:
                return Length(key, value, out fault) is { } length ? new FieldValue.Length(length) : null;
            case FieldForm.Shift:
                if (Quantity.TryRead(value, Measure.Length, out var shift, out fault))
                {
                    return new FieldValue.Length(shift);
                }

                fault = $"{key} {fault}";
                return null;
            case FieldForm.Word:
                fault = field.IsWord(value.Trim());
                return fault is null ? new FieldValue.Word(value.Trim()) : null;
            case FieldForm.Turn:
                if (!Quantity.TryRead(value, Measure.Angle, out var degrees, out fault))
                {
                    fault = $"{key} {fault}";
                    return null;
                }

                fault = Quarters(degrees) is null ? $"{key} {WholeTurns}" : null;
                return fault is null ? new FieldValue.Turn(Quarters(degrees)!.Value) : null;
            case FieldForm.Widths:
                var sides = PedestalText.Sides(value);
                if (sides.Length is 0 or > 2)
                {
                    fault = $"{key} \"{value}\" is not one width or two; write for example \"2.4 m\", or \"2.4 m, 1.6 m\" at −x and +x";
                    return null;
                }

                if (Length(key, sides[0], out fault) is not { } low || Length(key, sides[^1], out fault) is not { } high)
                {
                    return null;
                }

                return sides.Length == 1 ? new FieldValue.Length(low) : new FieldValue.Ends(low, high);
            default:
                return BarSpec.TryParse(value, out var bars, out fault)
                    && (field.Form != FieldForm.Dowels || PedestalText.IsRing(key, value, bars, out fault))
                    ? new FieldValue.Bars(bars)
                    : null;
        }
    }

    private static double? Length(string key, string value, out string? fault)
    {
        if (!Quantity.TryRead(value, Measure.Length, out var v, out fault))
        {
            fault = $"{key} {fault}";
            return null;
        }

        if (v <= 0 || v > Measure.MostSize)
        {
            fault = v <= 0
                ? $"{key} \"{value}\" must be more than zero"
                : $"{key} \"{value}\" is beyond any side of a foundation; look at its digits and its unit";
            return null;
        }

        return v;
    }
}
