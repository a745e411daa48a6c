using Plinth.Core.Loads;
using Plinth.Core.National;

namespace Plinth.Core.Ground;

/// <summary>Partial factors on the strength of the ground and on resistances, with the sets they come from.</summary>
/// <param name="Friction">γφ', on tan φ'.</param>
/// <param name="Cohesion">γc'.</param>
/// <param name="Undrained">γcu.</param>
/// <param name="Bearing">γR;v.</param>
/// <param name="Sliding">γR;h.</param>
/// <param name="Earth">γR;e, of the earth before the base.</param>
/// <param name="Sets">The sets in words: "DA1-2: M2 + R1".</param>
public sealed record GroundFactors(double Friction, double Cohesion, double Undrained, double Bearing, double Sliding, double Earth,
    string Sets);

/// <summary>
/// Design of the ground by limit states with partial factors, EN 1997-1 2.4.7: by approaches 1 and 2. Approach 1 takes M1 + R1 with the
/// actions of set B and M2 + R1 with those of set C, approach 2 M1 + R2. In accidental situations all factors are 1.0 (2.4.7.1(3)), in
/// seismic ones they are those of EN 1998-5 3.1 on the strength.
/// </summary>
public sealed class LimitStateDesign
{
    private readonly Dictionary<LimitState, GroundFactors> factors = [];

    /// <summary>Makes it.</summary>
    /// <param name="approach">The design approach, 1 or 2.</param>
    /// <param name="annex">The nationally determined values.</param>
    /// <exception cref="ArgumentOutOfRangeException">The approach is neither.</exception>
    public LimitStateDesign(int approach, NationalAnnex annex)
    {
        ArgumentNullException.ThrowIfNull(annex);
        (Approach, Annex) = (approach, annex);
        GroundFactors Of(string m, string r, string words) => new(annex[$"gamma-phi-{m}"], annex[$"gamma-c-{m}"], annex[$"gamma-cu-{m}"],
            r.Length > 0 ? annex[$"gamma-rv-{r}"] : 1, r.Length > 0 ? annex[$"gamma-rh-{r}"] : 1,
            r.Length > 0 ? annex[$"gamma-re-{r}"] : 1, words);
        switch (approach)
        {
            case 1:
                factors[LimitState.SetB] = Of("m1", "r1", "DA1-1: M1 + R1");
                factors[LimitState.SetC] = Of("m2", "r1", "DA1-2: M2 + R1");
                break;
            case 2:
                factors[LimitState.SetB] = Of("m1", "r2", "DA2: M1 + R2");
                break;
            default:
                throw new ArgumentOutOfRangeException(nameof(approach), approach, "1 or 2");
        }

        factors[LimitState.Accidental] = new(1, 1, 1, 1, 1, 1, "accidental: all 1.0");
        factors[LimitState.Seismic] = Of("seis", "", "seismic: EN 1998-5 3.1");
    }

    /// <summary>Its key in plinth.toml.</summary>
    public const string Id = "en1997";

    /// <summary>The standard as cited.</summary>
    public const string Name = "EN 1997-1";

    /// <summary>The design approach.</summary>
    public int Approach { get; }

    /// <summary>The nationally determined values.</summary>
    public NationalAnnex Annex { get; }

    /// <summary>γφ' on tan φ' of the soil behind a wall; 1 of serviceability.</summary>
    /// <param name="state">The limit state.</param>
    public double Behind(LimitState state) => Of(state) is { } f ? f.Friction
        : state is LimitState.Equ or LimitState.Upl ? Annex["gamma-phi-equ"] : 1;

    /// <summary>The angle whose tangent is that of another over a factor, degrees.</summary>
    /// <param name="degrees">The characteristic angle.</param>
    /// <param name="factor">The factor.</param>
    public static double DesignAngle(double degrees, double factor) =>
        factor == 1 ? degrees : Math.Atan(Math.Tan(degrees * Math.PI / 180) / factor) * 180 / Math.PI;

    /// <summary>
    /// The factors of an ultimate limit state of ground and structure; null: strength of the ground is not looked at there.
    /// </summary>
    /// <param name="state">The limit state.</param>
    public GroundFactors? Of(LimitState state) => factors.GetValueOrDefault(state);
}
