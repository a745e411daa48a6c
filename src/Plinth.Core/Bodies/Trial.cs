using System.Buffers;
using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Bodies;

/// <summary>
/// A foundation at one place as checks read it: its body on the ground, what stands on it, its bars. Sizes and bars are set again and
/// again, what was found is kept
/// for as long as it holds. One thread at a time; arrays are made once and refilled, so that a search allocates nothing.
/// </summary>
public abstract class Trial
{
    private const int KeysKept = 8;

    private readonly CombinationSet set;
    private readonly int subjects;
    private readonly ConcreteCode usual;
    private readonly ImmutableArray<ConcreteCode> codes;
    private (int Generation, double Key, int Combination)[] governing;
    private bool[]? chosen;
    private int[]?[]? limited;
    private int nextKept;
    private (int Generation, bool Needed) topSteel = (-1, false);

    /// <summary>Makes the trial of a foundation at a place; a design must be set before it is read.</summary>
    /// <param name="project">The project.</param>
    /// <param name="foundation">The foundation.</param>
    /// <param name="place">Its place with the loads there.</param>
    /// <param name="subjects">The most subjects that one check looks at.</param>
    protected Trial(Project project, Foundation foundation, LoadedPlace place, int subjects)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        Place = place;
        Foundation = foundation;
        Rules = foundation.Rules;
        Ground = place.Place.Ground;
        Code = usual = project.Code;
        Units = project.Units;
        Site = project.Site;
        Category = project.Category;
        set = place.Set;
        Combinations = set.Used;
        codes = Combinations.Any(c => !ReferenceEquals(usual.InSituation(c.State), usual))
            ? [.. Combinations.Select(c => usual.InSituation(c.State))]
            : [];
        Checks = foundation.Kind.Checks(project.Code);
        this.subjects = subjects;
        governing = Rented<(int, double, int)>(Checks.Slots * subjects * KeysKept);
        Hints = new int[Checks.Slots * subjects];
    }

    /// <summary>Gives back the room for what was found, for the next trial; this one must not be used again.</summary>
    internal virtual void Release()
    {
        ArrayPool<(int, double, int)>.Shared.Return(governing);
        governing = [];
        Body.Release();
    }

    /// <summary>Room for so many, empty.</summary>
    internal static T[] Rented<T>(int count)
    {
        var array = ArrayPool<T>.Shared.Rent(count);
        Array.Clear(array);
        return array;
    }

    /// <summary>The place.</summary>
    public LoadedPlace Place { get; }

    /// <summary>The foundation.</summary>
    public Foundation Foundation { get; }

    /// <summary>The checks of its kind.</summary>
    public CheckList Checks { get; }

    /// <summary>The design code, with the partial factors of the combination that is looked at.</summary>
    public ConcreteCode Code { get; private set; }

    /// <summary>Whether combinations of several design situations, with partial factors of their own, are looked at.</summary>
    internal bool HasSituations => codes.Length > 0;

    /// <summary>Takes the code as it is in the design situation of a combination; −1: as in persistent ones.</summary>
    /// <returns>Whether it is another than before, and with it what does not depend on combinations.</returns>
    internal bool Enter(int combination)
    {
        if (codes.Length == 0)
        {
            return false;
        }

        var own = combination < 0 ? usual : codes[combination];
        if (ReferenceEquals(own, Code))
        {
            return false;
        }

        Code = own;
        return true;
    }

    /// <summary>Where bases may lie.</summary>
    public Site Site { get; }

    /// <summary>Units for notes.</summary>
    public Units.UnitSystem Units { get; }

    /// <summary>The rules in force.</summary>
    public RuleSet Rules { get; }

    /// <summary>The ground there.</summary>
    public GroundRules Ground { get; }

    /// <summary>Seismic design category; null: not stated.</summary>
    public SeismicCategory? Category { get; }

    /// <summary>All combinations.</summary>
    public ImmutableArray<Combination> Combinations { get; }

    /// <summary>The body that bears on the ground.</summary>
    public abstract GroundBody Body { get; }

    /// <summary>The same as a list of one, for checks.</summary>
    public abstract ReadOnlySpan<GroundBody> Bodies { get; }

    /// <summary>What bears on the ground one by one: the body, or the bases of which it consists.</summary>
    public virtual ReadOnlySpan<GroundBody> Bearers => Bodies;

    /// <summary>What stands on it.</summary>
    public abstract ReadOnlySpan<Standing> Columns { get; }

    /// <summary>What is joined to it: not those of its columns whose joint is looked at on a base that shares them.</summary>
    public virtual ReadOnlySpan<Standing> Joined => Columns;

    /// <summary>What may be punched through: round each column, and round neighbours that share a section.</summary>
    public abstract ReadOnlySpan<PunchedArea> Punched { get; }

    /// <summary>The parts of the slab that span along an axis.</summary>
    /// <param name="alongX">Along x, or along y.</param>
    public abstract ReadOnlySpan<SlabSpan> Spans(bool alongX);

    /// <summary>The piles that hold it; none under a base on the ground.</summary>
    public virtual ReadOnlySpan<Pile> Piles => [];

    /// <summary>Length of its piles, m; null: it has none, or it is not stated.</summary>
    public virtual double? PileLength => null;

    /// <summary>What a pile may carry as the ground's layers hold it; null: it has none, or it is stated.</summary>
    public virtual Core.Piles.PileCapacity? PileCapacity => null;

    /// <summary>Concrete between the underside and the lowest bars, m.</summary>
    public virtual double BottomCover => Rules.Concrete.CoverBottom;

    /// <summary>The bars that run along an axis, by zones.</summary>
    /// <param name="alongX">Along x, or along y.</param>
    public abstract ReadOnlySpan<BarZone> Zones(bool alongX);

    /// <summary>Sets a design.</summary>
    /// <param name="adopted">A design of the trial's kind.</param>
    public abstract void Adopt(FoundationDesign adopted);

    /// <summary>Sets what stands between the base and one of its columns; sizes and bars stay.</summary>
    /// <param name="column">Which column.</param>
    /// <param name="pedestal">The pedestal; null: none.</param>
    /// <param name="dowels">Dowels into the column.</param>
    public abstract void Stand(int column, Foundations.Pedestal? pedestal, Concrete.BarLayer dowels);

    /// <summary>Counts the sizes that were set, so that what was found for one is not taken for another's.</summary>
    public int Generation { get; protected set; }

    /// <summary>While sizing seeks the bars of one face: that face; else none, and checks look at both.</summary>
    public Face Looking { get; set; }

    /// <summary>Utilisations that differ by less, as a share, are alike: of such combinations the first governs.</summary>
    public virtual double Alike => 0;

    /// <summary>Whether checks look at a face.</summary>
    public bool LooksAt(Face face) => Looking == Face.None || Looking == face;

    /// <summary>For each check and subject, the combination that last failed: the first to try on the next trial.</summary>
    internal int[] Hints { get; }

    /// <summary>Takes for the combination that failed last, before any did, the one of a family that presses most.</summary>
    internal void HintAtMost(Family family)
    {
        var (best, most) = (-1, double.NegativeInfinity);
        foreach (var k in set.For(family))
        {
            (best, most) = Place.Sums[k].N > most ? (k, Place.Sums[k].N) : (best, most);
        }

        Array.Fill(Hints, Math.Max(best, 0));
    }

    /// <summary>Where a check keeps what it found of a subject.</summary>
    internal int Slot(int check, Subject subject) => (check * subjects) + subject.Index;

    /// <summary>Indices of the combinations for any of several families.</summary>
    public ReadOnlySpan<int> CombinationsFor(Family family)
    {
        if (limited is null)
        {
            return set.For(family);
        }

        ref var some = ref limited[(int)family];
        return some ??= [.. set.For(family).ToArray().Where(k => chosen![k])];
    }

    /// <summary>
    /// Looks at some combinations only, until <see cref="LookAtAll"/>: a search finds its way by few and asks all in the end.
    /// </summary>
    /// <param name="which">By index.</param>
    internal void LookAt(bool[] which)
    {
        (chosen, limited) = (which, new int[FamilyWords.Count][]);
        Forget();
    }

    /// <summary>Looks at all combinations again.</summary>
    internal void LookAtAll()
    {
        (chosen, limited) = (null, null);
        Forget();
    }

    // What was found for some combinations does not hold for others.
    private void Forget()
    {
        topSteel = (-1, false);
        Array.Fill(governing, (-1, 0.0, 0));
    }

    /// <summary>
    /// The combination under whose resultant the base is to lie: dead load with live load, else dead load alone; −1: there is none of the
    /// ground without wind and earthquake.
    /// </summary>
    public int Sustained
    {
        get
        {
            var (best, rank) = (-1, 0);
            foreach (var k in CombinationsFor(Family.Ground))
            {
                var c = Combinations[k];
                var own = c.Transient || c.Counteracting ? 0
                    : !c.Terms.All(t => Place.Cases[t.Case].Symbol is LoadSymbol.D or LoadSymbol.L or LoadSymbol.G or LoadSymbol.Q) ? 1
                    : c.Terms.Any(t => Place.Cases[t.Case] is { Symbol: LoadSymbol.L or LoadSymbol.Q, IsSurcharge: false }) ? 3 : 2;
                (best, rank) = own > rank ? (k, own) : (best, rank);
            }

            return best;
        }
    }

    /// <summary>A combination as results name it, with the state of water and surcharge: "U2:Lr, high water".</summary>
    /// <param name="k">The combination.</param>
    public string Named(int k) => Combinations[k].Name + (Body.StateWords(k) is { } state ? ", " + state : "");

    /// <summary>The combination found to govern a check of a subject at this size for a key; −1 if none was found yet.</summary>
    internal int GoverningAt(int slot, double key)
    {
        foreach (ref readonly var g in governing.AsSpan(slot * KeysKept, KeysKept))
        {
            if (g.Generation == Generation && g.Key == key)
            {
                return g.Combination;
            }
        }

        return -1;
    }

    /// <summary>Keeps the combination that governs a check of a subject at this size for a key; NaN is not kept.</summary>
    internal void SetGoverning(int slot, double key, int combination)
    {
        if (!double.IsNaN(key))
        {
            governing[(slot * KeysKept) + nextKept] = (Generation, key, combination);
            nextKept = (nextKept + 1) % KeysKept;
        }
    }

    /// <summary>
    /// Whether the top of a base of this size is stretched in some combination so that it must have bars: more than plain concrete may hold
    /// there.
    /// </summary>
    public bool NeedsTopSteel
    {
        get
        {
            if (topSteel.Generation != Generation)
            {
                topSteel = (Generation, StretchesTop());
            }

            return topSteel.Needed;
        }
    }

    /// <summary>
    /// Shear and moment along a base under several columns in a combination; null of a base under one, or without equilibrium.
    /// </summary>
    public virtual Figures.SpanDiagram? Along(int combination) => null;

    /// <summary>The beam that carries it along x, as a list for checks; none of most.</summary>
    internal virtual ReadOnlySpan<Subject> Beams => [];

    /// <summary>Extra bars beside those that run through along x; null: it has none.</summary>
    internal virtual ExtraZones? Extra => null;

    /// <summary>The same with what of a base bends along x beyond the beam.</summary>
    internal virtual ReadOnlySpan<Subject> Bending => Beams;

    /// <summary>The beam that holds its bases together; null: it has none.</summary>
    public virtual Figures.BeamFigure? BeamFigure => null;

    /// <summary>The wall on it; null: it carries none.</summary>
    public virtual Figures.WallFigure? WallFigure => null;

    /// <summary>
    /// A metre of its wall and base as a free body in a combination; null of what carries no wall, or without equilibrium.
    /// </summary>
    public virtual Figures.WallForces? WallForces(int combination) => null;

    /// <summary>Its extra bars along x as they lie.</summary>
    public IReadOnlyList<Figures.ExtraRun> ExtraRuns => Extra?.Runs() ?? [];

    /// <summary>The bars along an axis of a face as they lie, zone by zone: where each bar lies across, m from the centroid.</summary>
    /// <param name="alongX">Along x, or along y.</param>
    /// <param name="bottom">The bottom, or the top.</param>
    public virtual IReadOnlyList<Figures.BarRun> Runs(bool alongX, bool bottom)
    {
        var zone = Spans(alongX)[0];
        return zone.Layer(bottom).Any ? [new("", zone.Layer(bottom), zone.Depth(bottom), zone.Bars(bottom))] : [];
    }

    /// <summary>Whether some combination stretches the top by more than plain concrete may hold there.</summary>
    private protected virtual bool StretchesTop() => Plinth.Core.Checks.OfConcrete.TopTension.Exceeds(this);
}
