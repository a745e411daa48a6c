using System.Buffers;
using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;

namespace Plinth.Core.Checks;

/// <summary>
/// A trial base at one place, as checks read it: sizes and bars that may be set again and again, and contact solutions found once for each
/// combination and size. One thread at a time; made to be reused, so that a search allocates nothing.
/// </summary>
public sealed partial class BaseState
{
    private const int KeysKept = 8;

    private BaseLoads[] loads;
    private ContactSolution[] contact;
    private int[] solvedAt;
    private OfConcrete.FaceForces[] faces;
    private int[] facedAt;
    private readonly BarLayer[] layers = new BarLayer[4];
    private readonly PlacedLoad[] placedLoads;
    private readonly CombinationSet set;
    private (int Generation, double Key, int Combination)[] governing;
    private readonly PlainConcrete[] plain;
    private const int Families = 32;
    private bool[]? chosen;
    private int[]?[]? limited;
    private int nextKept;
    private bool sized;
    private (int Generation, bool Needed) topSteel = (-1, false);
    private OnGround.TippingBound[]? tipping;
    private readonly GroundLoad[] groundLoads = new GroundLoad[3];
    private (double BottomX, double BottomY, double TopX, double TopY, double Bottom, double Top) depths;

    /// <summary>Makes the state of a foundation at a place; sizes must be set before it is read.</summary>
    public BaseState(Project project, Foundation foundation, LoadedPlace place)
    {
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(foundation);
        ArgumentNullException.ThrowIfNull(place);
        Place = place;
        Foundation = foundation;
        Rules = foundation.Rules;
        Ground = place.Place.Ground;
        Code = project.Code;
        Units = project.Units;
        Site = project.Site;
        set = place.Set;
        Outline = place.Outline;
        Combinations = set.Used;
        governing = Rented<(int, double, int)>(CheckCatalog.Slots * KeysKept);
        loads = Rented<BaseLoads>(Combinations.Length);
        contact = Rented<ContactSolution>(Combinations.Length);
        solvedAt = Rented<int>(Combinations.Length);
        facedAt = Rented<int>(Combinations.Length);
        faces = ArrayPool<OfConcrete.FaceForces>.Shared.Rent(Combinations.Length);
        placedLoads = new PlacedLoad[place.Loads.Count];
        Category = project.Category;
        plain = [.. Combinations.Select((c, k) => PlainConcrete.Of(this, c, k))];
        Hints = new int[CheckCatalog.Slots];
    }

    /// <summary>Gives back the room for what was found, for the next state; this one must not be used again.</summary>
    internal void Release()
    {
        ArrayPool<(int, double, int)>.Shared.Return(governing);
        ArrayPool<BaseLoads>.Shared.Return(loads);
        ArrayPool<ContactSolution>.Shared.Return(contact);
        ArrayPool<int>.Shared.Return(solvedAt);
        ArrayPool<int>.Shared.Return(facedAt);
        ArrayPool<OfConcrete.FaceForces>.Shared.Return(faces);
        (governing, loads, contact, solvedAt, facedAt, faces) = ([], [], [], [], [], []);
        PunchingBottom.Release();
        PunchingTop.Release();
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

    /// <summary>The design code.</summary>
    public ConcreteCode Code { get; }

    /// <summary>Where bases may lie.</summary>
    public Site Site { get; }

    /// <summary>Units for notes.</summary>
    public Units.UnitSystem Units { get; }

    /// <summary>All combinations.</summary>
    public ImmutableArray<Combination> Combinations { get; }

    /// <summary>For each check, the combination that last failed: the first to try on the next trial.</summary>
    public int[] Hints { get; }

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

    /// <summary>Looks at some combinations only, until <see cref="LookAtAll"/>: a search finds its way by few and asks all in the end.</summary>
    /// <param name="which">By index.</param>
    internal void LookAt(bool[] which)
    {
        (chosen, limited) = (which, new int[Families][]);
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

    /// <summary>The combination found to govern a check at this size for a key; −1 if none was found yet.</summary>
    public int GoverningAt(int check, double key)
    {
        foreach (ref readonly var g in governing.AsSpan(check * KeysKept, KeysKept))
        {
            if (g.Generation == Generation && g.Key == key)
            {
                return g.Combination;
            }
        }

        return -1;
    }

    /// <summary>Keeps the combination that governs a check at this size for a key; NaN is not kept.</summary>
    public void SetGoverning(int check, double key, int combination)
    {
        if (!double.IsNaN(key))
        {
            governing[(check * KeysKept) + nextKept] = (Generation, key, combination);
            nextKept = (nextKept + 1) % KeysKept;
        }
    }

    /// <summary>Seismic design category; null: not stated.</summary>
    public Loads.SeismicCategory? Category { get; }

    /// <summary>Where plain concrete may count in a combination.</summary>
    internal PlainConcrete Plain(int combination) => plain[combination];

    /// <summary>Whether the top of a base of this size is stretched in some combination so that it must have bars: more than plain concrete may hold there.</summary>
    public bool NeedsTopSteel
    {
        get
        {
            if (topSteel.Generation != Generation)
            {
                topSteel = (Generation, OfConcrete.TopTension.Exceeds(this));
            }

            return topSteel.Needed;
        }
    }

    /// <summary>The rules in force.</summary>
    public RuleSet Rules { get; }

    /// <summary>The ground there.</summary>
    public GroundRules Ground { get; }

    /// <summary>Plan size and thickness, m.</summary>
    public BaseSize Size { get; private set; }

    /// <summary>Side along x, m.</summary>
    public double Length => Size.Length;

    /// <summary>Side along y, m.</summary>
    public double Width => Size.Width;

    /// <summary>Thickness, m.</summary>
    public double Thickness => Size.Thickness;

    /// <summary>Bars.</summary>
    public Reinforcement Bars { get; private set; }

    /// <summary>Column's centre from the base's centre along x, m.</summary>
    public double ColumnX { get; private set; }

    /// <summary>Column's centre from the base's centre along y, m.</summary>
    public double ColumnY { get; private set; }

    /// <summary>Level of the underside, m.</summary>
    public double Underside { get; private set; }

    /// <summary>Founding depth below the ground, m.</summary>
    public double FoundingDepth => Ground.Level - Underside;

    /// <summary>Height of the reactions above the underside, m.</summary>
    public double Arm { get; private set; }

    /// <summary>Depth of soil over the base, m.</summary>
    public double SoilDepth { get; private set; }

    /// <summary>Weight of the base, kN.</summary>
    public double BaseWeight { get; private set; }

    /// <summary>Weight of the pedestal, kN; 0 without.</summary>
    public double PedestalWeight { get; private set; }

    /// <summary>Height of the pedestal over the base, m; 0 without.</summary>
    public double PedestalHeight => Math.Max(0, ColumnFoot - Underside - Thickness);

    /// <summary>Level of the top of what stands on the base: of the pedestal, else of the base, m.</summary>
    public double ColumnFoot { get; private set; }

    /// <summary>The pedestal; null: the column stands on the base.</summary>
    public Pedestal? Pedestal { get; private set; }

    /// <summary>Dowels into the column.</summary>
    public BarLayer Dowels { get; private set; }

    /// <summary>What stands on the base as the sections see it: pedestal or column.</summary>
    public ColumnOutline Outline { get; private set; }

    /// <summary>What ground and water do over and under the base in a combination.</summary>
    public ref readonly GroundLoad GroundLoad(int combination) => ref groundLoads[(int)Place.Waters[combination]];

    /// <summary>The ground by depth in a combination.</summary>
    public GroundColumn GroundColumn(int combination) => Ground.Column(Place.Waters[combination]);

    /// <summary>The water of a combination in words, where it changes anything: "high water", "low water", "dry"; else null.</summary>
    public string? WaterWords(int combination) =>
        groundLoads[(int)WaterState.High].WaterPressure <= 0 ? null
        : Place.Waters[combination] switch
        {
            WaterState.High => "high water",
            WaterState.Low => Ground.WaterDepthLow is null ? "dry" : "low water",
            _ => null,
        };

    /// <summary>Counts the sizes that were set, so that what was found for one is not taken for another's.</summary>
    public int Generation { get; private set; }

    /// <summary>The critical sections with the depth to the bottom bars.</summary>
    internal OfConcrete.PunchingFace PunchingBottom { get; } = new();

    /// <summary>The critical sections with the depth to the top bars.</summary>
    internal OfConcrete.PunchingFace PunchingTop { get; } = new();

    /// <summary>While sizing seeks the bars of one face: that face; else none, and checks look at both.</summary>
    public Face Looking { get; set; }

    /// <summary>Whether checks look at a face.</summary>
    public bool LooksAt(Face face) => Looking == Face.None || Looking == face;

    /// <summary>Sets what stands on the base; a size must be set after it.</summary>
    public void Set(Pedestal? pedestal, BarLayer dowels)
    {
        if (Dowels != dowels || !Equals(Pedestal, pedestal))
        {
            Dowels = dowels;
            Pedestal = pedestal;
            sized = false;
            Outline = BaseGeometry.Outline(Place.Place, pedestal);
            Joints.Forget();
        }
    }

    /// <summary>What tips at most in each combination; found when it is first asked for.</summary>
    internal OnGround.TippingBound[] Tipping => tipping ??= OnGround.TippingBound.Of(Place, Combinations, Rules.Stability.VariableResists);

    /// <summary>The sections of column and pedestal.</summary>
    internal OfConcrete.JointSections Joints { get; } = new();

    /// <summary>Sets plan size and thickness; bars stay. What was found for the same size stays too.</summary>
    public void Set(in BaseSize size)
    {
        if (sized && Size == size)
        {
            return;
        }

        (Size, sized) = (size, true);
        Generation++;
        var offset = Place.Place.Lie.Of(BaseGeometry.Offset(Foundation.Held, Outline, size));
        (ColumnX, ColumnY) = (offset.X, offset.Y);
        for (var i = 0; i < placedLoads.Length; i++)
        {
            placedLoads[i] = Place.Loads[i].On(offset, size);
        }

        Underside = Ground.Underside(size.Thickness);
        var top = Underside + size.Thickness;
        ColumnFoot = Pedestal is null ? top : Rules.Pedestal.TopLevel(Place.Place.Support, top, Pedestal.Socket?.Depth) ?? top;
        Arm = (Place.Place.Support.Level ?? ColumnFoot) - Underside;
        SoilDepth = Math.Max(0, Ground.Level - top);
        var area = size.Length * size.Width;
        BaseWeight = Rules.Concrete.Weight * area * size.Thickness;
        PedestalWeight = Pedestal is null ? 0 : Rules.Concrete.Weight * Pedestal.Area * PedestalHeight;
        for (var w = 0; w < groundLoads.Length; w++)
        {
            groundLoads[w] = Over((WaterState)w, area, top);
        }

        FindDepths();
    }

    /// <summary>Sets the bars; sizes stay.</summary>
    public void Set(in Reinforcement bars)
    {
        Bars = bars;
        (layers[0], layers[1], layers[2], layers[3]) = (bars.BottomX, bars.BottomY, bars.TopX, bars.TopY);
        FindDepths();
    }

    /// <summary>Whether the bars along x lie outermost.</summary>
    public bool OuterIsX => Rules.Steel.OuterIsX(Size);

    /// <summary>Bars of a face and direction.</summary>
    public ref readonly BarLayer Layer(bool alongX, bool bottom) => ref layers[(bottom ? 0 : 2) + (alongX ? 0 : 1)];

    /// <summary>Effective depth of a layer, m.</summary>
    /// <param name="alongX">The bars along x, or along y.</param>
    /// <param name="bottom">The bottom layer, or the top.</param>
    public double Depth(bool alongX, bool bottom) => bottom ? (alongX ? depths.BottomX : depths.BottomY) : alongX ? depths.TopX : depths.TopY;

    /// <summary>Mean effective depth of both layers of a face, m.</summary>
    public double MeanDepth(bool bottom) => bottom ? depths.Bottom : depths.Top;

    /// <summary>Times by which evenly spread short-way bars must exceed what is required (2β/(β+1), ACI 318 13.3.3.3); 1 for the long way.</summary>
    public double ShortWayFactor(bool alongX)
    {
        var (own, other) = alongX ? (Length, Width) : (Width, Length);
        if (own >= other)
        {
            return 1;
        }

        var beta = other / own;
        return 2 * beta / (beta + 1);
    }

    private void FindDepths()
    {
        var outerIsX = OuterIsX;
        double Of(bool alongX, bool bottom)
        {
            var cover = bottom ? Rules.Concrete.CoverBottom : Rules.Concrete.CoverTop;
            var outer = alongX == outerIsX ? 0 : Layer(!alongX, bottom).Diameter;
            return Thickness - cover - outer - (Layer(alongX, bottom).Diameter / 2);
        }

        var (bx, by, tx, ty) = (Of(true, true), Of(false, true), Of(true, false), Of(false, false));
        depths = (bx, by, tx, ty, (bx + by) / 2, (tx + ty) / 2);
    }
}
