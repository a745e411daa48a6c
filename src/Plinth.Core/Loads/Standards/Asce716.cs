using static Plinth.Core.Loads.LoadSymbol;

namespace Plinth.Core.Loads;

/// <summary>Combinations of ASCE 7-16: strength 2.3.1 and 2.3.6 (set U), allowable stress 2.4.1 and 2.4.5 (set S).</summary>
/// <remarks>Snow is at its allowable-stress level here; ASCE 7-22 changes it to strength level and only that.</remarks>
public class Asce716 : Asce7
{
    private readonly List<LoadRule> rules;

    /// <summary>Makes the rules.</summary>
    public Asce716()
        : this("asce7-16", "ASCE 7-16", new Snow(0.5, 1.6, 0.2, 1.0, 0.75, 0.75))
    {
    }

    /// <summary>Makes the rules with an edition's factors on snow.</summary>
    /// <param name="id">The standard's key.</param>
    /// <param name="name">The standard's name as cited.</param>
    /// <param name="snow">Factors on S where they differ between editions.</param>
    protected Asce716(string id, string name, Snow snow)
    {
        ArgumentNullException.ThrowIfNull(snow);
        (Id, Name) = (id, name);
        var u = name + " 2.3.1";
        var ue = name + " 2.3.6";
        var s = name + " 2.4.1";
        var se = name + " 2.4.5";
        Slot roofCompanion = new([new(Lr, 0.5), new(S, snow.Companion), new(R, 0.5)]);
        Slot roofLeading = new([new(Lr, 1.6), new(S, snow.Leading), new(R, 1.6)], Need.Present);
        Slot roofService = new([new(Lr, 1), new(S, snow.Service), new(R, 1)], Need.Present);
        Slot roofReduced = new([new(Lr, 0.75), new(S, snow.Reduced), new(R, 0.75)], Need.OneOfTwo);
        Slot live = new([new(L, 1)], Companion: true);
        string Roof(double f, double sn) => sn == f ? $"{f.Text()}(Lr|S|R)" : $"({f.Text()}Lr|{sn.Text()}S|{f.Text()}R)";
        rules =
        [
            new("U1", Strength, u, "1.4D", 1.4, 0, []),
            new("U2", Strength, u, $"1.2D + 1.6L + {Roof(0.5, snow.Companion)}", 1.2, 0, [new([new(L, 1.6)], Need.Present), roofCompanion]),
            new("U3", Strength, u, $"1.2D + {Roof(1.6, snow.Leading)} + (L|0.5W)", 1.2, 0,
                [roofLeading, new([new(L, 1), new(W, 0.5)], Companion: true)]),
            new("U4", Strength, u, $"1.2D + W + L + {Roof(0.5, snow.Companion)}", 1.2, 0,
                [new([new(W, 1)], Need.Present), live, roofCompanion]),
            new("U5", Strength, u, "0.9D + W", 0.9, 0, [new([new(W, 1)], Need.Present)], Fluid: false),
            new("U6", Strength, ue, $"1.2D + Ev + Eh + L + {snow.Seismic.Text()}S", 1.2, 0.2,
                [new([new(E, 1)], Need.Present), live, new([new(S, snow.Seismic)])]),
            new("U7", Strength, ue, "0.9D − Ev + Eh", 0.9, -0.2, [new([new(E, 1)], Need.Present)]),
            new("S1", Sustained, s, "D", 1, 0, []),
            new("S2", Sustained, s, "D + L", 1, 0, [new([new(L, 1)], Need.Present)]),
            new("S3", Sustained, s, $"D + {Roof(1, snow.Service)}", 1, 0, [roofService]),
            new("S4", Sustained, s, $"D + 0.75L + {Roof(0.75, snow.Reduced)}", 1, 0, [new([new(L, 0.75)], Need.OneOfTwo), roofReduced]),
            new("S5", Service, s, "D + 0.6W", 1, 0, [new([new(W, 0.6)], Need.Present)]),
            new("S6", Service, s, $"D + 0.75L + 0.75(0.6W) + {Roof(0.75, snow.Reduced)}", 1, 0,
                [new([new(W, 0.45)], Need.Present), new([new(L, 0.75)], Need.OneOfTwo), roofReduced]),
            new("S7", Service, s, "0.6D + 0.6W", 0.6, 0, [new([new(W, 0.6)], Need.Present)], Counteracting: true, Fluid: false),
            new("S8", Service, se, "D + 0.7Ev + 0.7Eh", 1, 0.14, [new([new(E, 0.7)], Need.Present)]),
            new("S9", Service, se, $"D + 0.525Ev + 0.525Eh + 0.75L + {snow.SeismicReduced.Text()}S", 1, 0.105,
                [new([new(E, 0.525)], Need.Present), new([new(L, 0.75)], Need.OneOfTwo),
                    new([new(S, snow.SeismicReduced)], Need.OneOfTwo)]),
            new("S10", Service, se, "0.6D − 0.7Ev + 0.7Eh", 0.6, -0.14, [new([new(E, 0.7)], Need.Present)], Counteracting: true),
        ];
    }

    /// <inheritdoc/>
    public override string Id { get; }

    /// <inheritdoc/>
    public override string Name { get; }

    /// <inheritdoc/>
    public override IReadOnlyList<LoadRule> Rules => rules;

    /// <summary>Factors on snow, which differ between the editions.</summary>
    /// <param name="Companion">Beside 1.2D + 1.6L and 1.2D + W.</param>
    /// <param name="Leading">In 1.2D + (Lr|S|R).</param>
    /// <param name="Seismic">Beside 1.2D + Ev + Eh.</param>
    /// <param name="Service">In D + (Lr|S|R).</param>
    /// <param name="Reduced">Where three quarters of the variable loads are taken.</param>
    /// <param name="SeismicReduced">The same with earthquake.</param>
    protected sealed record Snow(double Companion, double Leading, double Seismic, double Service, double Reduced, double SeismicReduced);
}

/// <summary>Combinations of ASCE 7-22: those of 7-16 with strength-level snow.</summary>
public sealed class Asce722() : Asce716("asce7-22", "ASCE 7-22", new Snow(0.3, 1.0, 0.15, 0.7, 0.525, 0.1));

internal static class FactorText
{
    /// <summary>A factor as it stands before a symbol: nothing for 1.</summary>
    public static string Text(this double factor) =>
        factor == 1 ? "" : factor.ToString("0.####", System.Globalization.CultureInfo.InvariantCulture);
}
