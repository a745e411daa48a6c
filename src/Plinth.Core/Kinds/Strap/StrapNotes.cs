using System.Globalization;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strap;

/// <summary>What is to be said of a strap footing beside its checks.</summary>
internal static class StrapNotes
{
    // Below so many times the bases' own stiffness the beam does not make them tilt alike.
    private const double LeastStiffness = 2;

    // A beam whose clear span is less than so many depths carries in part as an arch (ACI 318 9.9.1.1).
    private const double DeepSpan = 4;

    /// <summary>I of the beam over the greater one of the bases along it.</summary>
    public static double Stiffness(StrapTrial t)
    {
        var greatest = 0.0;
        foreach (var p in t.Body.Parts)
        {
            greatest = Math.Max(greatest, p.Width * p.Thickness * p.Thickness * p.Thickness);
        }

        return t.Beam.Width * t.Beam.Height * t.Beam.Height * t.Beam.Height / greatest;
    }

    /// <summary>Why equal tilt of both bases is doubtful; null: it is not.</summary>
    public static string? Doubt(StrapTrial t) => Stiffness(t) is < LeastStiffness and var ratio
        ? string.Create(CultureInfo.InvariantCulture,
            $"I of the beam is {ratio:0.0} times that of a base along it, less than {LeastStiffness:0}")
            + ": whether both bases tilt alike is doubtful; deepen the beam"
        : null;

    /// <summary>The remarks on a trial whose design is set.</summary>
    public static IEnumerable<string> Of(StrapTrial t)
    {
        if (Stiffness(t) is >= LeastStiffness and var ratio)
        {
            yield return string.Create(CultureInfo.InvariantCulture, $"I of the beam is {ratio:0.0} times that of a base along it");
        }

        yield return "along x the beam is taken to carry all moment and shear; the bases have the least steel there"
            + (t.Spans(true).IsEmpty ? "" : ", but beyond the end of the beam");
        if (t.Sustained is >= 0 and var k && t.Body.Loads(k) is { N: > 0 } loads)
        {
            yield return $"under {t.Combinations[k].Name} the resultant lies "
                + $"{Unit.Length.FormatWithSymbol(Math.Abs(loads.XR), t.Units)} from "
                + "the centroid of both areas along x";
        }

        var clear = t.Body.Columns[1].Face(true, -1) - t.Body.Columns[0].Face(true, 1);
        if (clear < DeepSpan * t.Beam.Height)
        {
            yield return $"the beam is {Unit.Length.FormatWithSymbol(t.Beam.Height, t.Units)} deep between columns "
                + $"{Unit.Length.FormatWithSymbol(clear, t.Units)} apart: it is a deep beam (ACI 318 9.9.1.1), "
                + $"designed here as a slender one";
        }

        if (t.Ground.UpliftSpread > 0)
        {
            yield return "soil beside the bases that would rise with them (uplift-spread) is not counted on a strap footing";
        }
    }
}
