using Plinth.Core.Contact;
using Plinth.Core.Piles;
using Plinth.Core.Units;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [piles], [grounds.NAME.piles] and piles.* of a foundation.</summary>
internal static class PileReader
{
    // Piles nearer than this are one, m.
    private const double SamePlace = 0.001;
    private const int MostOwn = 144;

    public static PileRules Read(TableReader t, PileRules basis)
    {
        var group = Group(t, basis.Efficiency);
        var result = basis with
        {
            Shape = t.Choice("shape", basis.Shape, ("round", PileShape.Round), ("square", PileShape.Square)),
            Size = t.QuantityOrNull("size", Measure.Length, Sign.Positive) ?? basis.Size,
            Made = t.Choice("made", basis.Made, ("bored", PileMaking.Bored), ("driven-concrete", PileMaking.DrivenConcrete),
                ("steel-tube", PileMaking.SteelTube), ("steel-section", PileMaking.SteelSection), ("timber", PileMaking.Timber)),
            Compression = t.QuantityOrNull("compression", Measure.Force, Sign.Positive) ?? basis.Compression,
            Tension = t.QuantityOrNull("tension", Measure.Force) ?? basis.Tension,
            Lateral = t.QuantityOrNull("lateral", Measure.Force) ?? basis.Lateral,
            Transient = t.Number("transient", basis.Transient, Sign.Positive),
            OfStrength = t.Choice("basis", basis.OfStrength, ("allowable", false), ("strength", true)),
            Efficiency = group,
            LateralGroup = Share(t, "lateral-group", basis.LateralGroup),
            Pitch = t.Number("pitch", basis.Pitch, Sign.Positive),
            Edge = t.Quantity("edge", Measure.Length, basis.Edge),
            Embedment = t.Quantity("embedment", Measure.Length, basis.Embedment),
            Deviation = t.Quantity("deviation", Measure.Length, basis.Deviation),
            Layouts = Layouts(t, basis.Layouts),
            Count = Count(t) ?? basis.Count,
            FixedHead = t.Choice("head", basis.FixedHead, ("pinned", false), ("fixed", true)),
            TieBeams = t.Choice("tie-beams", basis.TieBeams, ("none", TieBeams.None), ("x", TieBeams.AlongX), ("y", TieBeams.AlongY),
                ("both", TieBeams.Both)),
            Length = t.QuantityOrNull("length", Measure.Length, Sign.Positive) ?? basis.Length,
            Longest = t.Quantity("longest", Measure.Length, basis.Longest, Sign.Positive),
            Safety = t.Number("safety", basis.Safety, Sign.Positive),
            TensionShare = Share(t, "tension-share", basis.TensionShare),
            At = Own(t) ?? basis.At,
            Banded = t.Flag("bands", basis.Banded),
            Outline = t.Choice("outline", basis.Outline, ("either", CapOutline.Either), ("hexagon", CapOutline.Hexagon),
                ("rectangle", CapOutline.Rectangle)),
            Strength = t.QuantityOrNull("strength", Measure.Pressure, Sign.Positive) ?? basis.Strength,
            Bars = ColumnReader.Upright(t, "bars") ?? basis.Bars,
            Ties = t.Bars("ties") ?? basis.Ties,
            Cover = t.Quantity("cover", Measure.Length, basis.Cover),
            ModulusRise = t.QuantityOrNull("modulus-rise", Measure.UnitWeight, Sign.Positive) ?? basis.ModulusRise,
            Modulus = t.QuantityOrNull("subgrade-modulus", Measure.UnitWeight, Sign.Positive) ?? basis.Modulus,
            Source = t.Text("source")?.Trim() ?? basis.Source,
        };
        Agree(t, result);
        t.Done();
        return result;
    }

    private static IReadOnlyList<PlanPoint>? Own(TableReader t)
    {
        const string key = "at";
        if (t.Points(key, 1) is not { } points)
        {
            return null;
        }

        for (var i = 0; i < points.Count; i++)
        {
            for (var j = i + 1; j < points.Count; j++)
            {
                if (PileLayout.Nearest([points[i], points[j]]) < SamePlace)
                {
                    t.Fault(key, $"places {i + 1} and {j + 1} of at are one; each pile needs a place of its own");
                    return null;
                }
            }
        }

        if (points.Count > MostOwn)
        {
            t.Fault(key, $"at has {points.Count} places, and a cap has at most {MostOwn} piles; make several caps of it");
            return null;
        }

        return points;
    }

    // What must be given together, or cannot be.
    private static void Agree(TableReader t, PileRules p)
    {
        if (t.Has("modulus-rise") && t.Has("subgrade-modulus"))
        {
            t.Fault("subgrade-modulus",
                "modulus-rise and subgrade-modulus are both given; keep one: the ground's lateral modulus rises with depth, or is the same "
                    + "at all depths");
        }

        if (p.FixedHead && (p.Strength is null || (p.ModulusRise is null && p.Modulus is null)))
        {
            t.Fault("head",
                "head = \"fixed\" needs what the shafts bend by: give strength, for example \"30 MPa\", and modulus-rise, for example \"5 "
                    + "MN/m3\", or subgrade-modulus");
        }

        if (p.At.Count > 0 && p.Efficiency is null)
        {
            t.Fault(t.Has("group") ? "group" : "at",
                "piles.at has no rows by which group = \"converse-labarre\" is found; write a share, for example group = 0.85");
        }

        if (p.At.Count > 0 && p.Count is { } count && count != p.At.Count)
        {
            t.Fault("count",
                $"piles.count = {count}, and piles.at ({t.PlaceOf("at")}) has {p.At.Count} places; make the two agree, or leave count out");
        }

        if (p.Ties is { Spacing: <= 0 })
        {
            t.Fault("ties", "ties are a size and a spacing; write for example ties = \"T10 @ 200 mm\"");
        }
    }

    // A share, or the rule by which it is found.
    private static double? Group(TableReader t, double? basis)
    {
        const string key = "group";
        if (t.Node(key) is { Value: string word })
        {
            if (word != "converse-labarre")
            {
                t.Fault(key, $"group \"{word}\" is not known; write a share, for example 0.85, or \"converse-labarre\"");
            }

            return null;
        }

        return t.Has(key) ? Share(t, key, 1) : basis;
    }

    private static double Share(TableReader t, string key, double basis)
    {
        var value = t.Number(key, basis, Sign.Positive);
        if (value > 1)
        {
            t.Fault(key, $"{key} is a share of the capacity, at most 1");
        }

        return value;
    }

    private static int? Count(TableReader t)
    {
        if (t.NumberOrNull("count", Sign.Positive) is not { } value)
        {
            return null;
        }

        if (value != Math.Round(value))
        {
            t.Fault("count", "count is a whole number of piles; write for example count = 6");
        }

        return (int)Math.Round(value);
    }

    private static IReadOnlyList<string> Layouts(TableReader t, IReadOnlyList<string> basis)
    {
        if (t.Texts("layouts") is not { } written)
        {
            return basis;
        }

        var names = new List<string>();
        foreach (var (text, place) in written)
        {
            if (PileLayout.Fault(text.Trim()) is { } fault)
            {
                t.Bag.Error(place, fault);
            }
            else
            {
                names.Add(text.Trim());
            }
        }

        if (written.Count == 0)
        {
            t.Fault("layouts", "layouts names none; write for example layouts = [\"4\", \"6\"]");
        }

        return names.Count > 0 ? names : basis;
    }
}
