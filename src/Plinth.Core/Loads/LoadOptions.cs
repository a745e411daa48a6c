namespace Plinth.Core.Loads;

/// <summary>Seismic design category of ASCE 7 11.6.</summary>
public enum SeismicCategory
{
    /// <summary>A.</summary>
    A,

    /// <summary>B.</summary>
    B,

    /// <summary>C.</summary>
    C,

    /// <summary>D.</summary>
    D,

    /// <summary>E.</summary>
    E,

    /// <summary>F.</summary>
    F,
}

/// <summary>Values of a project that the combination rules read.</summary>
/// <param name="Sds">Design spectral acceleration SDS; Ev = 0.2·SDS·D.</param>
/// <param name="Redundancy">ρ on Eh.</param>
/// <param name="LiveCompanion">Factor that replaces 1.0L beside 1.2D where the standard allows it.</param>
public sealed record LoadOptions(double Sds = 0, double Redundancy = 1, double LiveCompanion = 1)
{
    /// <summary>Whether each companion load is also left out in turn (ASCE 7 2.3.1, 2.4.1).</summary>
    public bool LoadsNotActing { get; init; }

    /// <summary>Whether live load is also looked at on some of the columns of a foundation alone (ASCE 7 4.3.3).</summary>
    public bool PartialLive { get; init; }

    /// <summary>Seismic design category (ASCE 7 11.6); null: not stated.</summary>
    public SeismicCategory? Category { get; init; }

    /// <summary>
    /// Share of an earthquake case of the other direction that acts beside each (ASCE 7 12.5.3, EN 1998-1 4.3.3.5.1); 0: none.
    /// </summary>
    public double Orthogonal { get; init; }

    /// <summary>Share by which E is reduced in uplift and overturning of service combinations (ASCE 7 12.13.4); 0: none.</summary>
    public double OverturningReduction { get; init; }

    /// <summary>Whether Ev counts in counteracting service combinations; without it 12.4.2.2 is used.</summary>
    public bool VerticalAtSoil { get; init; } = true;

    /// <summary>What EN 1990 and EN 1997 leave to the nation and the project.</summary>
    public EurocodeOptions Eurocode { get; init; } = new();
}

/// <summary>Partial factors of a set of EN 1990 table A1.2 (EN 1997-1 tables A.1, A.3, A.15).</summary>
/// <param name="Unfavourable">γG,sup.</param>
/// <param name="Favourable">γG,inf.</param>
/// <param name="Variable">γQ; favourable variable actions are left out.</param>
/// <param name="Reduction">ξ of eq. 6.10b.</param>
public sealed record PartialFactors(double Unfavourable, double Favourable, double Variable, double Reduction = 0.85);

/// <summary>Serviceability combinations of EN 1990 in which settlement is looked at.</summary>
public enum SettlementSet
{
    /// <summary>All of them.</summary>
    All,

    /// <summary>The quasi-permanent one, for what lasts (EN 1990 6.5.3(2)c).</summary>
    QuasiPermanent,

    /// <summary>The characteristic one.</summary>
    Characteristic,
}

/// <summary>What EN 1990 and EN 1997-1 leave to the nation and the project; the defaults are the recommended values.</summary>
public sealed record EurocodeOptions
{
    /// <summary>Design approach of EN 1997-1 2.4.7.3.4: 1, 2 or 3.</summary>
    public int DesignApproach { get; init; } = 1;

    /// <summary>The serviceability combinations in which settlement is looked at.</summary>
    public SettlementSet Settlement { get; init; }

    /// <summary>Whether eq. 6.10a and 6.10b stand in place of 6.10.</summary>
    public bool SplitExpression { get; init; }

    /// <summary>Whether the leading variable action of an accidental situation takes ψ1 (else ψ2; EN 1990 6.4.3.3(3)).</summary>
    public bool AccidentalFrequent { get; init; } = true;

    /// <summary>Set A: EQU.</summary>
    public PartialFactors Equ { get; init; } = new(1.10, 0.90, 1.50);

    /// <summary>UPL.</summary>
    public PartialFactors Upl { get; init; } = new(1.00, 0.90, 1.50);

    /// <summary>Set B: STR/GEO.</summary>
    public PartialFactors SetB { get; init; } = new(1.35, 1.00, 1.50);

    /// <summary>Set C: GEO.</summary>
    public PartialFactors SetC { get; init; } = new(1.00, 1.00, 1.30);

    /// <summary>ψ by category of Q and by the symbols S, W, T.</summary>
    public IReadOnlyDictionary<string, PsiFactors> Psi { get; init; } = Recommended;

    /// <summary>EN 1990 table A1.1; snow: sites up to 1000 m above the sea.</summary>
    public static IReadOnlyDictionary<string, PsiFactors> Recommended { get; } = new Dictionary<string, PsiFactors>(StringComparer.Ordinal)
    {
        ["A"] = new(0.7, 0.5, 0.3),
        ["B"] = new(0.7, 0.5, 0.3),
        ["C"] = new(0.7, 0.7, 0.6),
        ["D"] = new(0.7, 0.7, 0.6),
        ["E"] = new(1.0, 0.9, 0.8),
        ["F"] = new(0.7, 0.7, 0.6),
        ["G"] = new(0.7, 0.5, 0.3),
        ["H"] = new(0, 0, 0),
        ["S"] = new(0.5, 0.2, 0),
        ["W"] = new(0.6, 0.2, 0),
        ["T"] = new(0.6, 0.5, 0),
    };

    /// <summary>ψ of a case.</summary>
    /// <exception cref="ArgumentException">The case has neither a category of the table nor ψ of its own.</exception>
    public PsiFactors Of(LoadCase c)
    {
        ArgumentNullException.ThrowIfNull(c);
        return c.OwnPsi
            ?? (Psi.TryGetValue(c.Symbol == LoadSymbol.Q ? c.Category ?? "" : c.Symbol.ToString() ?? "", out var psi)
                ? psi
                : throw new ArgumentException($"case \"{c.Name}\" has no category", nameof(c)));
    }
}
