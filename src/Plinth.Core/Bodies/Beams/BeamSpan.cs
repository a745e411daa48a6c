using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;

namespace Plinth.Core.Bodies;

/// <summary>
/// A beam with stirrups that carries a foundation along x: its section, its bars, and where flexure and shear are looked at in it.
/// </summary>
internal abstract partial class BeamSpan : Subject
{
    private readonly BarLayer[] layers = new BarLayer[2];
    private readonly double[] depths = new double[2];

    /// <summary>Makes it for a trial.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="name">What results call it.</param>
    protected BeamSpan(Trial trial, string name)
        : base(trial, 0, name) => Noun = name;

    /// <summary>What it is called: "beam".</summary>
    public string Noun { get; }

    /// <summary>Where distances along it count from, in words.</summary>
    public abstract string Origin { get; }

    /// <summary>Shear in a section, in words.</summary>
    public abstract string ShearWords { get; }

    /// <summary>Moment in a section, in words.</summary>
    public abstract string MomentWords { get; }

    /// <summary>What sections are looked at, in words.</summary>
    public abstract string SectionWords { get; }

    /// <summary>The body that it carries.</summary>
    public abstract GroundBody Body { get; }

    /// <summary>Breadth of its web, m.</summary>
    public double Width { get; private set; }

    /// <summary>Whole depth, m.</summary>
    public double Height { get; private set; }

    /// <summary>Where it begins, m.</summary>
    public double Low { get; private set; }

    /// <summary>Where it ends, m.</summary>
    public double High { get; private set; }

    /// <summary>Its stirrups.</summary>
    public BarSpec Stirrups { get; private set; } = BarSpec.None;

    /// <summary>Bars along each side.</summary>
    public BarSpec Sides { get; private set; } = BarSpec.None;

    /// <summary>Sets its sides and reach.</summary>
    internal void Set(double width, double height, double low, double high) => (Width, Height, Low, High) = (width, height, low, high);

    /// <summary>Sets its bars.</summary>
    internal void Set(in BarLayer top, in BarLayer bottom, BarSpec stirrups, BarSpec sides)
    {
        (layers[0], layers[1], Stirrups, Sides, Closer) = (bottom, top, stirrups, sides, []);
        Sink();
    }

    /// <summary>Finds the effective depths.</summary>
    internal void Sink()
    {
        for (var i = 0; i < depths.Length; i++)
        {
            depths[i] = Height - Cover(i == 0) - (layers[i].Diameter / 2);
        }
    }

    /// <summary>Bars of a face.</summary>
    public ref readonly BarLayer Layer(bool bottom) => ref layers[bottom ? 0 : 1];

    /// <summary>Effective depth of the bars of a face, m.</summary>
    public double Depth(bool bottom) => depths[bottom ? 0 : 1];

    /// <summary>Clear cover to the bars of a face, stirrups outside them, m.</summary>
    public double Cover(bool bottom) =>
        (bottom ? Rules.Concrete.CoverBottom + Beneath : Rules.Concrete.CoverTop) + (Stirrups.Size?.Diameter ?? 0);

    /// <summary>Diameter of the bars of a base on which its stirrups stand, m; 0 where they lie at the cover themselves.</summary>
    public virtual double Beneath => 0;

    /// <summary>Clear cover to the bars at its sides, m.</summary>
    public double SideCover => Rules.Concrete.CoverSide + (Stirrups.Size?.Diameter ?? 0);

    /// <summary>Distance of the bars of a face centre to centre, m; infinite of one.</summary>
    public double Spacing(bool bottom) =>
        Layer(bottom).Count < 2 ? double.PositiveInfinity
            : (Width - (2 * SideCover) - Layer(bottom).Diameter) / (Layer(bottom).Count - 1);

    /// <summary>
    /// The least distance of bars of a face, centre to centre, m: those that run through and as many places of extra ones as some zone has
    /// stand evenly.
    /// </summary>
    public double Closest(bool bottom) => !HasExtra(bottom) ? Spacing(bottom)
        : (Width - (2 * SideCover) - Layer(bottom).Diameter) / (Layer(bottom).Count + Extra!.Most(bottom) - 1);

    /// <summary>The greatest distance of those that run through, m: an empty place between two where no extra bar lies.</summary>
    public double Farthest(bool bottom) => HasExtra(bottom) ? 2 * Closest(bottom) : Spacing(bottom);

    /// <summary>Zones of extra bars; null: there are none.</summary>
    public virtual ExtraZones? Extra => null;

    /// <summary>Whether a face has extra bars.</summary>
    public bool HasExtra(bool bottom) => Extra?.Any(bottom) == true;

    /// <summary>Flexural strength by the bars of a face that run through.</summary>
    public FlexuralStrength Strength<T>(bool bottom, ref T trace)
        where T : struct, ITrace =>
        !Layer(bottom).Any ? new FlexuralStrength(0, true, double.PositiveInfinity) : StrengthOf(bottom, Layer(bottom).Area, ref trace);

    /// <summary>The same in a section, with the extra bars there.</summary>
    public FlexuralStrength StrengthAt<T>(bool bottom, double x, ref T trace)
        where T : struct, ITrace =>
        !Layer(bottom).Any ? new FlexuralStrength(0, true, double.PositiveInfinity)
            : StrengthOf(bottom, Layer(bottom).Area + (Extra?.SteelAt(bottom, x) ?? 0), ref trace);

    /// <summary>The same by an area of steel in the place of those bars, m2.</summary>
    public virtual FlexuralStrength StrengthOf<T>(bool bottom, double steel, ref T trace)
        where T : struct, ITrace =>
        Code.Flexure(ref trace, Rules.Concrete, Rules.Steel.Yield, steel, Width, Depth(bottom));

    /// <summary>Breadth by which the least steel of a face counts, m.</summary>
    public virtual double LeastSteelBreadth(bool bottom) => Width;

    /// <summary>The section in shear where a face is stretched, with the stirrups that stand farthest apart.</summary>
    public StirrupedBeam InShear(bool bottom) => InShear(bottom, Stirrups.Spacing);

    /// <summary>The same with stirrups so far apart, m.</summary>
    public StirrupedBeam InShear(bool bottom, double spacing) =>
        new(Width, Depth(bottom), Layer(bottom).Area, 2 * (Stirrups.Size?.Area ?? 0), spacing, Rules.Steel.Yield);

    /// <summary>Shear and moment in a section.</summary>
    public abstract LongSection Section(int k, double x);

    /// <summary>Sections at which flexure is looked at in a combination; found once for each size.</summary>
    public abstract ReadOnlySpan<LongSection> Sections(int k);

    /// <summary>The section with the greatest moment that stretches a face in a combination; of none one without moment.</summary>
    public abstract LongSection Greatest(int k, bool bottom);

    /// <summary>Sections at which shear is looked at in a combination; found once for each size and depth.</summary>
    public abstract ReadOnlySpan<BeamShearAt> Shears(int k);

    /// <summary>What the shear outside the columns nowhere exceeds in a combination, kN.</summary>
    public abstract double MostShear(int k);

    /// <summary>Whether a section lies beyond all columns, where its end is a cantilever.</summary>
    public abstract bool IsBeyond(double x);

    /// <summary>
    /// Where beyond a section the moment changes its sign, so that the bars of the other face are the stretched ones; of two such sections
    /// the one with more shear. Null: there is none before the shear passes through nil, or the next column.
    /// </summary>
    /// <param name="k">The combination.</param>
    /// <param name="from">A section at which shear is looked at.</param>
    public LongSection? Turn(int k, in BeamShearAt from)
    {
        if (from.IsPast)
        {
            return null;
        }

        LongSection? turn = null;
        var moment = new MomentOf(this, k);
        for (var side = -1; side <= 1; side += 2)
        {
            if (from.Side != -side && MomentTurn.Beyond(Sections(k), from.Section, side, ref moment) is var x && !double.IsNaN(x)
                && Section(k, x) is var at && Math.Abs(at.Shear) > Math.Abs(turn?.Shear ?? 0))
            {
                turn = at;
            }
        }

        return turn;
    }

    private readonly struct MomentOf(BeamSpan beam, int k) : Numerics.IFunction
    {
        public double At(double x) => beam.Section(k, x).Moment;
    }

    /// <summary>
    /// The greatest shears in a combination where the bottom and where the top is stretched, kN; −1 where no section has that.
    /// </summary>
    /// <param name="k">The combination.</param>
    /// <param name="beyond">
    /// Whether a section beyond which the moment changes its sign counts for the face that is stretched there too: on the safe side, as
    /// the shear has fallen until there.
    /// </param>
    public (double Bottom, double Top) GreatestShear(int k, bool beyond = false)
    {
        var (bottom, top) = (-1.0, -1.0);
        foreach (ref readonly var at in Shears(k))
        {
            var (v, below, both) = (Math.Abs(at.Section.Shear), at.Section.Moment >= 0, beyond && MomentTurn.IsBeyond(Sections(k), at));
            (bottom, top) = (below || both ? Math.Max(bottom, v) : bottom, !below || both ? Math.Max(top, v) : top);
        }

        return (bottom, top);
    }
}

/// <summary>A section of a beam, or of a base along its columns, at which shear is looked at.</summary>
/// <param name="Section">The section with its forces.</param>
/// <param name="AtFace">Whether it lies at the face of a column.</param>
internal readonly record struct BeamShearAt(LongSection Section, bool AtFace)
{
    /// <summary>On which side of its column it lies: 1, −1; 0 of one that is no column's.</summary>
    public int Side { get; init; }

    /// <summary>
    /// Whether the shear passed through nil between its column and it, so that beyond it grows towards the next one, on whose side it is
    /// looked at.
    /// </summary>
    public bool IsPast { get; init; }
}
