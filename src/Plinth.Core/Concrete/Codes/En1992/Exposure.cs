using Plinth.Core.National;

namespace Plinth.Core.Concrete.Codes.En1992;

/// <summary>An exposure class with the structural class, by which cover for durability goes (EN 1992-1-1 tables 4.1 and 4.4N).</summary>
/// <param name="Name">"XC2".</param>
public sealed record Exposure(string Name)
{
    // Rows of table 4.4N, S1 to S6, mm.
    private static readonly (string[] Names, int[] Cover)[] Table =
    [
        (["X0"], [10, 10, 10, 10, 15, 20]), (["XC1"], [10, 10, 10, 15, 20, 25]), (["XC2", "XC3"], [10, 15, 20, 25, 30, 35]),
        (["XC4"], [15, 20, 25, 30, 35, 40]), (["XD1", "XS1"], [20, 25, 30, 35, 40, 45]), (["XD2", "XS2"], [25, 30, 35, 40, 45, 50]),
        (["XD3", "XS3"], [30, 35, 40, 45, 50, 55]),
    ];

    /// <summary>S1 to S6; S4 for a working life of 50 years.</summary>
    public int StructuralClass { get; init; } = 4;

    /// <summary>Names of those that the table has; frost and chemical attack have rules of their own.</summary>
    public static IEnumerable<string> Names => Table.SelectMany(t => t.Names);

    /// <summary>The class of a name; null: the table has none such.</summary>
    public static Exposure? Find(string name) => Names.Contains(name, StringComparer.Ordinal) ? new Exposure(name) : null;

    /// <summary>cmin,dur, m.</summary>
    public double Durable => Table.First(t => t.Names.Contains(Name)).Cover[StructuralClass - 1] / 1000.0;
}

/// <summary>Nominal cover (EN 1992-1-1 4.4.1).</summary>
public static class CoverOf
{
    /// <summary>The least nominal cover of a face, m, with what asks for it.</summary>
    /// <param name="annex">The nationally determined values.</param>
    /// <param name="exposure">The exposure; null: not stated.</param>
    /// <param name="thickest">Diameter of the thickest bars that may lie there, m.</param>
    /// <param name="onGround">Whether the face is cast against the ground or the blinding.</param>
    /// <param name="blinded">Whether there is blinding.</param>
    public static (double Cover, string Reason) Least(NationalAnnex annex, Exposure? exposure, double thickest, bool onGround, bool blinded)
    {
        ArgumentNullException.ThrowIfNull(annex);
        var dev = annex["delta-c-dev"];
        var bond = (Math.Max(thickest, 0.010) + dev, "the thickest bar and the allowance for deviation");
        var durable = exposure is null ? bond
            : (exposure.Durable + dev,
                FormattableString.Invariant($"{exposure.Name}, S{exposure.StructuralClass} and the allowance for deviation"));
        var ground = !onGround ? bond
            : blinded ? (annex["cover-blinding"], "on prepared ground or blinding")
            : (annex["cover-ground"], "straight on the ground");
        var most = durable.Item1 > bond.Item1 ? durable : bond;
        return ground.Item1 > most.Item1 ? ground : most;
    }
}
