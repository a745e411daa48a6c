using System.Collections.Immutable;
using Plinth.Core.Buildings;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Loads;
using Plinth.Core.Tracing;

namespace Plinth.Core.Checks;

/// <summary>
/// A trial base at one place, as checks read it: sizes and bars that may be set again and again, and contact solutions found once for each
/// combination and size. One thread at a time; made to be reused, so that a search allocates nothing.
/// </summary>
public sealed class BaseState
{
    private const int KeysKept = 8;

    private readonly BaseLoads[] loads;
    private readonly ContactSolution[] contact;
    private readonly int[] solvedAt;
    private readonly PlacedLoad[] placedLoads;
    private readonly CombinationSet set;
    private readonly (int Generation, double Key, int Combination)[] governing;
    private int nextKept;
    private double weightOfBaseAndSoil;
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
        set = project.CombinationsOf(foundation);
        Combinations = set.Used;
        governing = new (int, double, int)[CheckCatalog.All.Length * KeysKept];
        loads = new BaseLoads[Combinations.Length];
        contact = new ContactSolution[Combinations.Length];
        solvedAt = new int[Combinations.Length];
        placedLoads = new PlacedLoad[place.Loads.Count];
        Hints = new int[CheckCatalog.All.Length];
    }

    /// <summary>The place.</summary>
    public LoadedPlace Place { get; }

    /// <summary>The foundation.</summary>
    public Foundation Foundation { get; }

    /// <summary>The design code.</summary>
    public ConcreteCode Code { get; }

    /// <summary>Units for notes.</summary>
    public Units.UnitSystem Units { get; }

    /// <summary>All combinations.</summary>
    public ImmutableArray<Combination> Combinations { get; }

    /// <summary>For each check, the combination that last failed: the first to try on the next trial.</summary>
    public int[] Hints { get; }

    /// <summary>Indices of the combinations for any of several families.</summary>
    public ReadOnlySpan<int> CombinationsFor(Family family) => set.For(family);

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

    /// <summary>Weight of the soil over the base, less what the column displaces, kN.</summary>
    public double SoilWeight { get; private set; }

    /// <summary>Weight of the soil that the column displaces, kN.</summary>
    public double DisplacedSoil { get; private set; }

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

    /// <summary>Sets plan size and thickness; bars stay.</summary>
    public void Set(in BaseSize size)
    {
        Size = size;
        Generation++;
        var offset = BaseGeometry.Offset(Foundation.Held, Place.Outline, size);
        (ColumnX, ColumnY) = (offset.X, offset.Y);
        for (var i = 0; i < placedLoads.Length; i++)
        {
            placedLoads[i] = Place.Loads[i].On(offset, size);
        }

        Underside = Ground.Underside(size.Thickness);
        var top = Underside + size.Thickness;
        Arm = (Place.Place.Support.Level ?? top) - Underside;
        SoilDepth = Math.Max(0, Ground.Level - top);
        var area = size.Length * size.Width;
        weightOfBaseAndSoil = (Rules.Concrete.Weight * size.Thickness) + (Ground.SoilWeight * SoilDepth);
        BaseWeight = Rules.Concrete.Weight * area * size.Thickness;
        DisplacedSoil = Ground.SoilWeight * SoilDepth * Math.Min(area, Place.Place.Support.Area);
        SoilWeight = (Ground.SoilWeight * SoilDepth * area) - DisplacedSoil;
        FindDepths();
    }

    /// <summary>Sets the bars; sizes stay.</summary>
    public void Set(in Reinforcement bars)
    {
        Bars = bars;
        FindDepths();
    }

    /// <summary>Whether the bars along x lie outermost.</summary>
    public bool OuterIsX => Rules.Steel.LowerLayer switch
    {
        LowerLayer.X => true,
        LowerLayer.Y => false,
        _ => Length >= Width,
    };

    /// <summary>Bars of a face and direction.</summary>
    public BarLayer Layer(bool alongX, bool bottom) => bottom ? (alongX ? Bars.BottomX : Bars.BottomY) : alongX ? Bars.TopX : Bars.TopY;

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

    /// <summary>Loads at the centre of the underside in a combination.</summary>
    public ref readonly BaseLoads Loads(int combination)
    {
        Solve(combination);
        return ref loads[combination];
    }

    /// <summary>Contact in a combination, surcharge included.</summary>
    public ref readonly ContactSolution Contact(int combination)
    {
        Solve(combination);
        return ref contact[combination];
    }

    /// <summary>Contact in a combination without the surcharge, which must help in no stability.</summary>
    public ContactSolution ContactWithoutSurcharge(int combination)
    {
        if (Ground.Surcharge == 0 || Place.SurchargeFactors[combination] == 0)
        {
            return Contact(combination);
        }

        var l = LoadsWithoutSurcharge(combination);
        return ContactSolver.Rectangle(Length, Width, l.N, l.XR, l.YR);
    }

    /// <summary>Loads at the centre of the underside in a combination without the surcharge.</summary>
    public BaseLoads LoadsWithoutSurcharge(int combination)
    {
        if (Ground.Surcharge == 0 || Place.SurchargeFactors[combination] == 0)
        {
            return Loads(combination);
        }

        var none = default(NoTrace);
        return BaseLoadCase.Compute(this, combination, false, ref none);
    }

    /// <summary>The loads beside the column, on this base.</summary>
    public ReadOnlySpan<PlacedLoad> PlacedLoads => placedLoads;

    /// <summary>Factored loads beside the column within a rectangle: their sum, and its moments about the centre, kN and kNm.</summary>
    public (double Force, double MomentX, double MomentY) LoadsWithin(int combination, double x0, double y0, double x1, double y1)
    {
        var (force, mx, my) = (0.0, 0.0, 0.0);
        for (var i = 0; i < placedLoads.Length; i++)
        {
            var (shareX, atX) = placedLoads[i].Within(true, x0, x1);
            var (shareY, atY) = placedLoads[i].Within(false, y0, y1);
            var n = Place.LoadTerms[combination][i].Factor * placedLoads[i].N * shareX * shareY;
            (force, mx, my) = (force + n, mx + (n * atX), my + (n * atY));
        }

        return (force, mx, my);
    }

    /// <summary>Factored weight of base, soil and surcharge on a unit of area in a combination, kPa.</summary>
    public double WeightPerArea(int combination) =>
        (Combinations[combination].WeightFactor * weightOfBaseAndSoil) + (Place.SurchargeFactors[combination] * Ground.Surcharge);

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

    private void Solve(int combination)
    {
        if (solvedAt[combination] == Generation)
        {
            return;
        }

        var none = default(NoTrace);
        var l = BaseLoadCase.Compute(this, combination, true, ref none);
        loads[combination] = l;
        contact[combination] = ContactSolver.Rectangle(Length, Width, l.N, l.XR, l.YR);
        solvedAt[combination] = Generation;
    }
}
