using System.Globalization;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Strip;

/// <summary>What is to be said of a strip with a rib beside its checks.</summary>
internal static class RibNotes
{
    // A rib whose clear span is less than so many depths carries in part as an arch (ACI 318 9.9.1.1).
    private const double DeepSpan = 4;

    /// <summary>The remarks on a trial whose design is set.</summary>
    public static IEnumerable<string> Of(RibTrial t)
    {
        var bed = t.Body.Bed!;
        var counted = bed.Factor == 1 ? "" : string.Create(CultureInfo.InvariantCulture, $", counted {bed.Factor:0.##} times");
        yield return $"on ground springs that pull nowhere, 1/λ = {Unit.Length.FormatWithSymbol(1 / bed.Characteristic, t.Units)}: "
            + $"the T section along x is gross{counted}";
        yield return "shear along is carried by the rib alone; the flange spans across it as a cantilever";
        var least = double.PositiveInfinity;
        for (var i = 1; i < t.Columns.Length; i++)
        {
            least = Math.Min(least, t.Columns[i].Face(true, -1) - t.Columns[i - 1].Face(true, 1));
        }

        if (least < DeepSpan * t.Rib.Height)
        {
            yield return $"the rib is {Unit.Length.FormatWithSymbol(t.Rib.Height, t.Units)} deep between columns "
                + $"{Unit.Length.FormatWithSymbol(least, t.Units)} apart: it is a deep beam (ACI 318 9.9.1.1), "
                + "designed here as a slender one";
        }
    }
}
