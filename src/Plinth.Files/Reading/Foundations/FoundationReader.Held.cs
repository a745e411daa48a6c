using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Units;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <content>What plinth.toml holds of a foundation.</content>
internal sealed partial class FoundationReader
{
    private HeldValues Held(TableReader t, FoundationKind kind, IReadOnlyList<string> labels)
    {
        HeldEdge? Edge(string key) => HeldEdgeOf(t, key);

        if (kind.Tables.Count > 0)
        {
            return HeldOfParts(t, kind, labels);
        }

        var (width, endWidth) = kind.Tapers ? t.Widths("width") : (t.QuantityOrNull("width", Measure.Length, Sign.Positive), null);
        var (trapezoid, springs) = (endWidth is not null, kind.OnSprings);
        var ends = kind.OnSprings ? Ends(t) : null;
        if (kind.Tapers)
        {
            trapezoid = t.Choice("outline", trapezoid, ("rectangle", false), ("trapezoid", true));
            springs = t.Choice("soil", false, ("rigid", false), ("springs", true));
            if (trapezoid && width is not null && endWidth is null)
            {
                t.Fault("width",
                    "a trapezoid has a width at each end; write for example width = [\"2.4 m\", \"1.6 m\"], at −x and at +x, or "
                        + "leave both open");
            }
            else if (!trapezoid && endWidth is not null)
            {
                t.Fault("width", "a rectangle has one width; write one, or outline = \"trapezoid\"");
            }

            if (springs && trapezoid)
            {
                t.Fault("soil", "a trapezoid is not solved on ground springs; write soil = \"rigid\", or outline = \"rectangle\"");
            }
            else if (!springs && t.Has("stiffness"))
            {
                t.Fault("stiffness", "stiffness counts on ground springs only; write soil = \"springs\" beside it, or delete it");
            }
        }

        var held = new HeldValues
        {
            Length = t.QuantityOrNull("length", Measure.Length, Sign.Positive),
            Width = width,
            EndWidth = endWidth,
            Trapezoid = trapezoid,
            Springs = springs,
            Stiffness = springs ? t.Number("stiffness", 1, Sign.Positive) : 1,
            Own = OwnOf(t, kind, labels),
            Thickness = t.QuantityOrNull("thickness", Measure.Length, Sign.Positive),
            EdgeX0 = ends is { } e ? new HeldEdge(false, e.Low) : Edge("edge-x0"),
            EdgeX1 = ends is { } other ? new HeldEdge(false, other.High) : Edge("edge-x1"),
            EdgeY0 = Edge("edge-y0"),
            EdgeY1 = Edge("edge-y1"),
            OffsetX = t.Quantity("offset-x", Measure.Length, 0, Sign.Any),
            OffsetY = t.Quantity("offset-y", Measure.Length, 0, Sign.Any),
            OffsetXGiven = t.Has("offset-x"),
            OffsetYGiven = t.Has("offset-y"),
            BottomX = Bars(t, kind, "bottom-x"),
            BottomY = kind.UnderSeveral ? null : Bars(t, kind, "bottom-y"),
            TopX = Bars(t, kind, "top-x"),
            TopY = Bars(t, kind, "top-y"),
            Exposed = t.Flag("exposed", false),
            Built = t.Flag("built", false),
        };
        if (trapezoid && held is { EdgeY0: not null, EdgeY1: not null })
        {
            t.Fault("edge-y1",
                "edge-y0 and edge-y1 hold one width, and a trapezoid has two; leave one of them out, or write width = [\"2.4 m\", \"1.6 "
                    + "m\"] in place of both");
        }

        Conflict(t, "x", held.EdgeX0, held.EdgeX1, "length", held.Length);
        Conflict(t, "y", held.EdgeY0, held.EdgeY1, "width", held.Width);
        return held;
    }

    // How far it reaches beyond its first and its last column: one length for both, or one for each.
    private static (double Low, double High)? Ends(TableReader t)
    {
        foreach (var key in (string[])["length", "offset-x"])
        {
            if (t.Has(key))
            {
                t.Fault(key, $"{key} of a strip follows from its ends; write for example ends = \"600 mm\", how far it reaches beyond its "
                    + "first and last column's centres");
            }
        }

        var (low, high) = t.Widths("ends");
        foreach (var key in (string[])["edge-x0", "edge-x1"])
        {
            if (low is not null && t.Has(key))
            {
                t.Fault(key, $"ends and {key} are both given; keep one");
            }
        }

        return low is { } both ? (both, high ?? both) : null;
    }

    private static HeldEdge? HeldEdgeOf(TableReader t, string key)
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

    // What plinth.toml holds of a kind whose sizes and bars stand in tables by part: edge = { length = "1.5 m" }.
    private HeldValues HeldOfParts(TableReader t, FoundationKind kind, IReadOnlyList<string> labels)
    {
        var own = ImmutableDictionary<string, FieldValue>.Empty;
        HeldEdge? edge = null;
        foreach (var table in kind.Tables)
        {
            var inner = t.Inner(table);
            foreach (var field in kind.Fields(labels).Where(f => f.Path.Count == 2 && f.Path[0] == table && inner.Has(f.Path[1])))
            {
                var key = string.Join('.', field.Path);
                if (Adopted.FieldText.Value(inner, field.Path[1], field) is not { } value)
                {
                    continue;
                }

                if (value is FieldValue.Bars { Spec: var bars } && kind.FaultOfBars(key, bars) is { } fault)
                {
                    inner.Fault(field.Path[1], fault);
                    continue;
                }

                own = own.Add(key, value);
            }

            if (kind.EdgeOf == table)
            {
                edge = HeldEdgeOf(inner, "edge-x0");
            }

            if (kind.BarsOf == table && inner.Has("bars") && RuleReader.Sizes(inner, "bars", bag) is { Count: > 0 } sizes)
            {
                own = own.Add(table + ".bars", new FieldValue.Sizes(sizes));
            }

            inner.Done();
        }

        return new HeldValues { Own = own, EdgeX0 = edge, Exposed = t.Flag("exposed", false), Built = t.Flag("built", false) };
    }

    // What a kind's designs have beyond what all have, held in tables within: bottom-y = { at.C5 = "9 T16", rest = "T12 @ 250 mm" }.
    private ImmutableDictionary<string, FieldValue> OwnOf(TableReader t, FoundationKind kind, IReadOnlyList<string> labels)
    {
        if (!kind.UnderSeveral || kind.Sign is not null || !t.Has("bottom-y"))
        {
            var own = ImmutableDictionary<string, FieldValue>.Empty;
            if (kind.Sign is { } sign && t.Widths(sign) is ({ } first, var second))
            {
                own = own.Add(sign, second is { } both ? new FieldValue.Ends(first, both) : new FieldValue.Length(first));
            }

            foreach (var field in kind.Fields(labels).Where(f => f.HeldByKey && t.Has(f.Key)))
            {
                own = Adopted.FieldText.Value(t, field.Key, field) is { } value && (value is not FieldValue.Bars { Spec: var bars }
                    || Allowed(t, kind, field.Key, bars)) ? own.Add(field.Key, value) : own;
            }

            return kind.OfWalls ? StemBarsOf(t, kind, own) : own;
        }

        if (t.Node("bottom-y") is { Value: not TomlTable } node)
        {
            bag.Error(node.Place,
                $"bottom-y of a {kind.Title} goes by columns and between them; write for example bottom-y = {{ "
                    + $"at.{TomlText.Key(labels[0])} = \"9 T16\", rest = \"T12 @ 250 mm\" }}");
            return ImmutableDictionary<string, FieldValue>.Empty;
        }

        var found = ImmutableDictionary<string, FieldValue>.Empty;
        var inner = t.Inner("bottom-y");
        var at = inner.Inner("at");
        foreach (var field in kind.Fields(labels).Where(f => f is { Form: FieldForm.Bars, Path: ["bottom-y", ..] }))
        {
            if (Bars(field.Path.Count == 3 ? at : inner, kind, field.Path[^1]) is { } bars)
            {
                found = found.Add(string.Join('.', field.Path), new FieldValue.Bars(bars));
            }
        }

        at.Done();
        inner.Done();
        return found;
    }

    private static bool Allowed(TableReader t, FoundationKind kind, string key, BarSpec bars)
    {
        if (kind.FaultOfBars(key, bars) is { } fault)
        {
            t.Fault(key, fault);
            return false;
        }

        return true;
    }

    private static BarSpec? Bars(TableReader t, FoundationKind kind, string key)
    {
        if (t.Bars(key) is not { } bars)
        {
            return null;
        }

        if (kind.FaultOfBars(key, bars) is { } fault)
        {
            t.Fault(key, fault);
            return null;
        }

        return bars;
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
}
