using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Wall;

/// <summary>The fields of a wall footing's design, in the order in which they are written.</summary>
internal static class WallFields
{
    /// <summary>Keys of the wall's bars in plinth.toml and adopted.toml.</summary>
    public const string SoilKey = "stem.vertical-soil";

    /// <inheritdoc cref="SoilKey"/>
    public const string FreeKey = "stem.vertical-free";

    /// <inheritdoc cref="SoilKey"/>
    public const string OneLayerKey = "stem.vertical";

    /// <inheritdoc cref="SoilKey"/>
    public const string LevelKey = "stem.horizontal";

    /// <summary>Makes them.</summary>
    public static IReadOnlyList<DesignField> Make() =>
    [
        Edge("edge-y0", "heel", false, true), Edge("edge-y1", "toe", false, false),
        Edge("heel", "edge-y0", true, true), Edge("toe", "edge-y1", true, false),
        SharedFields.Thickness(),
        Layer("bottom-y", true, false, true, d => d.BottomY, (d, b) => d with { BottomY = b }, h => h.BottomY),
        Layer("bottom-x", true, true, true, d => d.BottomX, (d, b) => d with { BottomX = b }, h => h.BottomX),
        Layer("top-y", false, false, false, d => d.TopY, (d, b) => d with { TopY = b }, h => h.TopY),
        Layer("top-x", false, true, false, d => d.TopX, (d, b) => d with { TopX = b }, h => h.TopX),
        Stem(SoilKey, d => d.Stem.Free.Size is null ? BarSpec.None : d.Stem.Soil, (s, b) => s with { Soil = b }),
        Stem(FreeKey, d => d.Stem.Free, (s, b) => s with { Free = b }),
        Stem(OneLayerKey, d => d.Stem.Free.Size is null ? d.Stem.Soil : BarSpec.None, (s, b) => s with { Soil = b }),
        Stem(LevelKey, d => d.Stem.Level, (s, b) => s with { Level = b }),
    ];

    /// <summary>Bars of the wall that plinth.toml holds; null: open.</summary>
    public static BarSpec? Held(HeldValues held, string key) =>
        held.Own.GetValueOrDefault(key) is FieldValue.Bars bars ? bars.Spec : null;

    /// <summary>A length that plinth.toml holds, m; null: open.</summary>
    public static double? Length(HeldValues held, string key) =>
        held.Own.GetValueOrDefault(key) is FieldValue.Length length ? length.Metres : null;

    /// <summary>Where plinth.toml holds an edge, by the way in which designs of the foundation state theirs, m; null: open.</summary>
    public static double? HeldEdge(Foundation f, bool byFaces, bool first)
    {
        var wall = f.Places[0].Support;
        if (byFaces)
        {
            return Length(f.Held, first ? "heel" : "toe");
        }

        var (own, other) = first ? (f.Held.EdgeY0, f.Held.EdgeY1) : (f.Held.EdgeY1, f.Held.EdgeY0);
        return own?.From(wall.SizeY) ?? (other is { } o && f.Held.Width is { } width ? width - o.From(wall.SizeY)
            : f.Held is { OffsetYGiven: true, Width: { } held } ? (held / 2) + (first ? f.Held.OffsetY : -f.Held.OffsetY)
            : null);
    }

    private static DesignField Edge(string key, string unless, bool byFaces, bool first) => new(key, FieldForm.Length)
    {
        Required = !byFaces,
        Unless = [unless],
        HeldByKey = byFaces,
        Example = "\"700 mm\"",
        Get = d => ((WallDesign)d).Edges is var e && e.ByFaces == byFaces && (first ? e.First : e.Second) is > 0 and var at
            ? new FieldValue.Length(at)
            : null,
        Put = (d, v) =>
        {
            var own = (WallDesign)d;
            var at = ((FieldValue.Length)v).Metres;
            return own with
            {
                Edges = first ? own.Edges with { First = at, ByFaces = byFaces } : own.Edges with { Second = at, ByFaces = byFaces },
            };
        },
        Held = (f, d) => ((WallDesign)d).Edges.ByFaces == byFaces && HeldEdge(f, byFaces, first) is { } at
            ? new HeldField(new FieldValue.Length(at), key)
            : null,
    };

    private static DesignField Layer(string key, bool required, bool alongX, bool bottom, Func<WallDesign, BarSpec> get,
        Func<WallDesign, BarSpec, WallDesign> put, Func<HeldValues, BarSpec?> held) => new(key, FieldForm.Bars)
        {
            Required = required,
            Example = "\"T16 @ 200 mm\"",
            Get = d => bottom || get((WallDesign)d).Size is not null ? new FieldValue.Bars(get((WallDesign)d)) : null,
            Put = (d, v) => put((WallDesign)d, ((FieldValue.Bars)v).Spec),
            Held = (f, _) => held(f.Held) is { } stated ? new HeldField(new FieldValue.Bars(stated), key) : null,
            Layer = (f, d, spec) => spec.Resolve(alongX ? d.Size.Width : d.Size.Length, f.Rules.Concrete.CoverSide),
        };

    private static DesignField Stem(string key, Func<WallDesign, BarSpec> get, Func<StemBars, BarSpec, StemBars> put) =>
        new(key.Split('.'), FieldForm.Shaft)
        {
            Example = "\"T16 @ 200 mm\"",
            Get = d => get((WallDesign)d) is { Size: not null } bars ? new FieldValue.Bars(bars) : null,
            Put = (d, v) => ((WallDesign)d) with { Stem = put(((WallDesign)d).Stem, ((FieldValue.Bars)v).Spec) },
            Held = (f, _) => Held(f.Held, key) is { } stated ? new HeldField(new FieldValue.Bars(stated), key) : null,
        };
}
