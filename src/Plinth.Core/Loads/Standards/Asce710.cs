using static Plinth.Core.Loads.LoadSymbol;

namespace Plinth.Core.Loads;

/// <summary>
/// Combinations of ASCE 7-10: strength 2.3.2 (set U), allowable stress 2.4.1 (set S), with earthquake as 12.4.2.3 spells it out.
/// </summary>
public sealed class Asce710 : Asce7
{
    private const string U = "ASCE 7-10 2.3.2";
    private const string UE = "ASCE 7-10 2.3.2, 12.4.2.3";
    private const string A = "ASCE 7-10 2.4.1";
    private const string AE = "ASCE 7-10 2.4.1, 12.4.2.3";

    private static readonly Slot Live = new([new(L, 1)], Companion: true);
    private static readonly Slot RoofCompanion = new([new(Lr, 0.5), new(S, 0.5), new(R, 0.5)]);
    private static readonly Slot RoofLeading = new([new(Lr, 1.6), new(S, 1.6), new(R, 1.6)], Need.Present);
    private static readonly Slot RoofReduced = new([new(Lr, 0.75), new(S, 0.75), new(R, 0.75)], Need.OneOfTwo);
    private static readonly Slot LiveReduced = new([new(L, 0.75)], Need.OneOfTwo);

    /// <inheritdoc/>
    public override string Id => "asce7-10";

    /// <inheritdoc/>
    public override string Name => "ASCE 7-10";

    /// <inheritdoc/>
    public override IReadOnlyList<LoadRule> Rules { get; } =
    [
        new("U1", Strength, U, "1.4D", 1.4, 0, []),
        new("U2", Strength, U, "1.2D + 1.6L + 0.5(Lr|S|R)", 1.2, 0, [new([new(L, 1.6)], Need.Present), RoofCompanion]),
        new("U3", Strength, U, "1.2D + 1.6(Lr|S|R) + (L|0.5W)", 1.2, 0, [RoofLeading, new([new(L, 1), new(W, 0.5)], Companion: true)]),
        new("U4", Strength, U, "1.2D + W + L + 0.5(Lr|S|R)", 1.2, 0, [new([new(W, 1)], Need.Present), Live, RoofCompanion]),
        new("U5", Strength, UE, "(1.2 + 0.2SDS)D + ρE + L + 0.2S", 1.2, 0.2, [new([new(E, 1)], Need.Present), Live, new([new(S, 0.2)])]),
        new("U6", Strength, U, "0.9D + W", 0.9, 0, [new([new(W, 1)], Need.Present)], Fluid: false),
        new("U7", Strength, UE, "(0.9 − 0.2SDS)D + ρE", 0.9, -0.2, [new([new(E, 1)], Need.Present)]),
        new("S1", Sustained, A, "D", 1, 0, []),
        new("S2", Sustained, A, "D + L", 1, 0, [new([new(L, 1)], Need.Present)]),
        new("S3", Sustained, A, "D + (Lr|S|R)", 1, 0, [new([new(Lr, 1), new(S, 1), new(R, 1)], Need.Present)]),
        new("S4", Sustained, A, "D + 0.75L + 0.75(Lr|S|R)", 1, 0, [LiveReduced, RoofReduced]),
        new("S5", Service, A, "D + 0.6W", 1, 0, [new([new(W, 0.6)], Need.Present)]),
        new("S5", Service, AE, "(1 + 0.14SDS)D + 0.7ρE", 1, 0.14, [new([new(E, 0.7)], Need.Present)]),
        new("S6a", Service, A, "D + 0.75L + 0.75(0.6W) + 0.75(Lr|S|R)", 1, 0,
            [new([new(W, 0.45)], Need.Present), LiveReduced, RoofReduced]),
        new("S6b", Service, AE, "(1 + 0.10SDS)D + 0.75L + 0.525ρE + 0.75S", 1, 0.10,
            [new([new(E, 0.525)], Need.Present), LiveReduced, new([new(S, 0.75)], Need.OneOfTwo)]),
        new("S7", Service, A, "0.6D + 0.6W", 0.6, 0, [new([new(W, 0.6)], Need.Present)], Counteracting: true, Fluid: false),
        new("S8", Service, AE, "(0.6 − 0.14SDS)D + 0.7ρE", 0.6, -0.14, [new([new(E, 0.7)], Need.Present)], Counteracting: true),
    ];
}
