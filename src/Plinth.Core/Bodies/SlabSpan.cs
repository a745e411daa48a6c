using System.Buffers;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Concrete;
using Plinth.Core.Schedules;

namespace Plinth.Core.Bodies;

/// <summary>A part of a slab that spans along an axis from the faces of what stands on it, with its bars.</summary>
public abstract class SlabSpan : BarZone
{
    private SectionForces[] faces;
    private int[] facedAt;
    private int generation;

    /// <summary>Makes a span of a trial.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="index">Which it is among the spans along the axis.</param>
    /// <param name="at">What results call it; null where there is but one.</param>
    /// <param name="alongX">Whether it spans along x, or along y.</param>
    /// <param name="body">The body that it is a part of; null: the trial's.</param>
    protected SlabSpan(Trial trial, int index, string? at, bool alongX, GroundBody? body = null)
        : base(trial, index, at, alongX, body)
    {
        faces = ArrayPool<SectionForces>.Shared.Rent(2 * Combinations.Length);
        facedAt = Trial.Rented<int>(2 * Combinations.Length);
    }

    internal virtual void Release()
    {
        ArrayPool<SectionForces>.Shared.Return(faces);
        ArrayPool<int>.Shared.Return(facedAt);
        (faces, facedAt) = ([], []);
    }

    /// <summary>Its length along the bars, m.</summary>
    public double Length { get; private set; }

    /// <summary>Sets its sides; what was found for others no longer holds.</summary>
    protected void Set(double length, double breadth) => (Length, Breadth, generation) = (length, breadth, Trial.Generation);

    /// <summary>
    /// Times by which evenly spread short-way bars must exceed what is required (2β/(β+1), ACI 318 13.3.3.3); 1 for the long way.
    /// </summary>
    public virtual double ShortWayFactor
    {
        get
        {
            var (own, other) = (Length, Breadth);
            if (own >= other || !Code.SpreadsShortWay)
            {
                return 1;
            }

            var beta = other / own;
            return 2 * beta / (beta + 1);
        }
    }

    /// <summary>From where to where the bands reach in which bars of a banded layer lie closer, m from the middle of the breadth.</summary>
    /// <param name="bottom">The bottom layer, or the top.</param>
    public virtual IEnumerable<(double From, double To)> Bands(bool bottom) => [(-Length / 2, Length / 2)];

    /// <summary>Where the bands lie, in words for a trace.</summary>
    public virtual string BandWords => "The band is as wide as the base's shorter side.";

    /// <summary>The strips of a banded layer, from the first bar to the last.</summary>
    /// <param name="bottom">The bottom layer, or the top.</param>
    public IReadOnlyList<BarStrip> Strips(bool bottom) =>
        BandedBars.Strips((Breadth - (2 * Rules.Concrete.CoverSide) - Layer(bottom).Diameter) / 2, Bands(bottom));

    /// <summary>Breadth beside the bands of a banded layer that needs the code's least steel of its own, m.</summary>
    /// <param name="bottom">The bottom layer, or the top.</param>
    public virtual double BesideBands(bool bottom) => 0;

    /// <summary>Where the bars of a layer lie, m from the middle of the breadth.</summary>
    /// <param name="bottom">The bottom layer, or the top.</param>
    public IReadOnlyList<double> Bars(bool bottom) => BarPositions.Across(Layer(bottom), Breadth, Rules.Concrete.CoverSide,
        Layer(bottom).Band > 0 ? Strips(bottom) : []);

    /// <summary>Length of the slab beyond a face of what stands on it, m; none or negative where it ends there.</summary>
    /// <param name="side">+1: towards the axis's end; −1: towards its beginning.</param>
    public abstract double Overhang(int side);

    /// <summary>
    /// Whether what acts on the part beyond a face is a straight line along the axis: all of it bears, and nothing else stands there.
    /// </summary>
    /// <param name="k">The combination.</param>
    /// <param name="side">+1 or −1.</param>
    public virtual bool IsStraight(int k, int side) => false;

    /// <summary>
    /// Side along its axis of what stands at the face beyond which it reaches, m: as far as the next face; 0: nothing stands there.
    /// </summary>
    /// <param name="side">+1 or −1.</param>
    public virtual double FaceSide(int side) => 0;

    /// <summary>Area of the bars of a face that span it, m2.</summary>
    public virtual double Steel(bool bottom) => Layer(bottom).Area;

    /// <summary>Whether it carries anything along its axis: else what stands on it does.</summary>
    public virtual bool Carries => true;

    /// <summary>Whether plain concrete may count on its top in a combination.</summary>
    public abstract bool PlainOnTop(int k);

    /// <summary>What acts beyond a section at a distance from a face.</summary>
    /// <param name="k">The combination.</param>
    /// <param name="side">+1 or −1.</param>
    /// <param name="fromFace">Distance of the section from the face, m.</param>
    internal abstract SectionForces Beyond(int k, int side, double fromFace);

    /// <summary>Tells what acts beyond a section.</summary>
    /// <param name="forces">The forces there.</param>
    /// <param name="k">The combination.</param>
    /// <param name="up">Of what stretches the bottom or pushes up, or of what stretches the top or presses down.</param>
    /// <param name="moment">The moment, or the shear.</param>
    /// <param name="trace">Records the steps.</param>
    internal abstract void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace)
        where T : struct, Tracing.ITrace;

    /// <summary>
    /// What acts beyond a face: what flexure, shear of the top and anchorage all ask for; found once for each combination and size.
    /// </summary>
    internal ref readonly SectionForces AtFace(int k, int side)
    {
        var i = (2 * k) + (side < 0 ? 0 : 1);
        if (facedAt[i] != generation)
        {
            faces[i] = Beyond(k, side, 0);
            facedAt[i] = generation;
        }

        return ref faces[i];
    }
}
