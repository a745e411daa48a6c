using System.Buffers;
using System.Runtime.CompilerServices;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;

namespace Plinth.Core.Bodies;

/// <summary>
/// The body that bears on the ground: its outline, levels and weights, what presses on it and how the ground holds it, found once for each
/// combination and size.
/// </summary>
/// <remarks>One rigid body; axes along its own, origin at the centroid of its area. Lengths in m, forces in kN.</remarks>
public sealed partial class GroundBody : Subject
{
    private readonly PlacedLoad[] placedLoads;
    private readonly GroundLoad[] groundLoads = new GroundLoad[3];
    private BaseLoads[] loads;
    private ContactSolution[] contact;
    private int[] solvedAt;
    private int[]? laidAt;
    private int generation;
    private PlanPoint origin;
    private Checks.OnGround.TippingBound[]? tipping;

    private readonly Standing[] columns;
    private PlanPoint[] outline = new PlanPoint[4];

    /// <summary>Makes the body of a trial that bears on the ground; a size must be set before it is read.</summary>
    /// <param name="trial">The trial.</param>
    /// <param name="columns">What stands on it.</param>
    public GroundBody(Trial trial, Standing[] columns)
        : this(trial, columns, null, 0, null)
    {
    }

    /// <summary>The same where something else holds it.</summary>
    internal GroundBody(Trial trial, Standing[] columns, BodyRest? rest)
        : this(trial, columns, rest, 0, null)
    {
    }

    private GroundBody(Trial trial, Standing[] columns, BodyRest? rest, int index, string? name)
        : base(trial, index, name)
    {
        ArgumentNullException.ThrowIfNull(trial);
        (this.columns, Rest) = (columns, rest);
        foreach (var c in columns)
        {
            c.Body = this;
        }

        loads = Trial.Rented<BaseLoads>(Combinations.Length);
        contact = Trial.Rented<ContactSolution>(Combinations.Length);
        solvedAt = Trial.Rented<int>(Combinations.Length);
        placedLoads = new PlacedLoad[trial.Place.Loads.Count];
    }

    internal void Release()
    {
        ArrayPool<BaseLoads>.Shared.Return(loads);
        ArrayPool<ContactSolution>.Shared.Return(contact);
        ArrayPool<int>.Shared.Return(solvedAt);
        (loads, contact, solvedAt) = ([], [], []);
    }

    /// <summary>What a wall adds to it; null: no wall stands on it.</summary>
    internal Backing? Backing { get; set; }

    /// <summary>Weight of the soil over it in a state of the water, kPa.</summary>
    internal double SoilOver(int water) => groundLoads[water].SoilPerArea;

    /// <summary>Weight of base and soil on a unit of area in a state of the water, a rib's spread over its breadth, kPa.</summary>
    internal double WeightIn(WaterState water) => groundLoads[(int)water].WeightPerArea;

    /// <summary>Pressure of the water on its underside in a state of it, kPa.</summary>
    internal double WaterPressure(int water) => groundLoads[water].WaterPressure;

    /// <summary>What holds it in place of the ground; null: the ground does.</summary>
    internal BodyRest? Rest { get; }

    /// <summary>The springs that hold it in place of a rigid plane; null: it is rigid.</summary>
    public SpringBed? Bed { get; private set; }

    /// <summary>Lays it on springs: a body that is a rectangle, before a size is set.</summary>
    internal SpringBed LayOnSprings() => Bed = new SpringBed(this);

    /// <summary>Breadth of the rib that stands on it from end to end, m; 0: it has none.</summary>
    public double RibBreadth { get; private set; }

    /// <summary>How high the rib stands over the base's top, m.</summary>
    public double RibRise { get; private set; }

    /// <summary>From its underside to the top of what columns stand on, m.</summary>
    public double Height => Thickness + RibRise;

    /// <summary>Sets the rib; a size must be set after it.</summary>
    internal void SetRib(double breadth, double rise) => (RibBreadth, RibRise) = (breadth, rise);

    /// <summary>Weight of base and soil on a unit of area beside the rib, all with factor one, kPa.</summary>
    internal double WeightBesideRib(int combination) =>
        (Rules.Concrete.Weight * Thickness) + GroundLoad(combination).SoilPerArea;

    /// <summary>Side along x, m.</summary>
    public double Length { get; private set; }

    /// <summary>Side along y, m; of a trapezoid the mean of both ends.</summary>
    public double Width { get; private set; }

    /// <summary>Width at its −x end, m.</summary>
    public double LowWidth { get; private set; }

    /// <summary>Width at its +x end, m.</summary>
    public double HighWidth { get; private set; }

    /// <summary>Whether it is a rectangle; else a trapezoid whose ends lie across x, or <see cref="IsPolygon"/>.</summary>
    public bool IsRectangle { get; private set; }

    /// <summary>Whether it is neither rectangle nor trapezoid: length and width are then those of the rectangle round it.</summary>
    public bool IsPolygon { get; private set; }

    /// <summary>Its −x end from the centroid, m.</summary>
    public double LowX { get; private set; }

    /// <summary>Its +x end from the centroid, m.</summary>
    public double HighX { get; private set; }

    /// <summary>Its −y end from the centroid, m.</summary>
    public double LowY { get; private set; }

    /// <summary>Its +y end from the centroid, m.</summary>
    public double HighY { get; private set; }

    /// <summary>Corners of its outline about the centroid, anticlockwise from (−x, −y).</summary>
    public ReadOnlySpan<PlanPoint> Outline => outline;

    /// <summary>Thickness, m.</summary>
    public double Thickness { get; private set; }

    /// <summary>Plan area, m2.</summary>
    public double Area { get; private set; }

    /// <summary>Level of the underside, m.</summary>
    public double Underside { get; private set; }

    /// <summary>Founding depth below the ground, m.</summary>
    public double FoundingDepth => Ground.Level - Underside;

    /// <summary>Depth of soil over the base, m.</summary>
    public double SoilDepth { get; private set; }

    /// <summary>Weight of the base, kN.</summary>
    public double BaseWeight { get; private set; }

    /// <summary>Weight of the pedestals on it, kN; 0 without.</summary>
    public double PedestalWeight { get; private set; }

    /// <summary>Whether any column stands on a pedestal.</summary>
    public bool HasPedestals { get; private set; }

    /// <summary>What stands on it.</summary>
    public ReadOnlySpan<Standing> Columns => columns;

    /// <summary>Sets the size of a rectangle; where the columns stand on it must be set before.</summary>
    /// <param name="size">Its sides and thickness.</param>
    /// <param name="origin">The place's origin, from which loads beside the columns are given, from the centroid.</param>
    /// <param name="underside">Level of its underside, m; null: by its thickness.</param>
    internal void Set(in BaseSize size, in PlanPoint origin, double? underside = null)
    {
        (IsRectangle, Length, Width, LowWidth, HighWidth) = (true, size.Length, size.Width, size.Width, size.Width);
        (LowX, HighX) = (-size.Length / 2, size.Length / 2);
        Area = size.Length * size.Width;
        TakeCorners();
        Settle(size, origin, underside);
    }

    /// <summary>Sets the size of a convex polygon that is neither rectangle nor trapezoid.</summary>
    /// <param name="corners">Its corners about the centroid, anticlockwise.</param>
    /// <param name="thickness">Its thickness, m.</param>
    /// <param name="origin">The place's origin from the centroid.</param>
    internal void Set(ReadOnlySpan<PlanPoint> corners, double thickness, in PlanPoint origin)
    {
        if (!IsPolygon || !corners.SequenceEqual(outline))
        {
            (outline, acrossX, acrossY) = ([.. corners], null, null);
        }

        (IsRectangle, IsPolygon) = (false, true);
        (LowX, HighX, LowY, HighY) = (corners[0].X, corners[0].X, corners[0].Y, corners[0].Y);
        foreach (var c in corners)
        {
            (LowX, HighX, LowY, HighY) = (Math.Min(LowX, c.X), Math.Max(HighX, c.X), Math.Min(LowY, c.Y), Math.Max(HighY, c.Y));
        }

        (Length, Width) = (HighX - LowX, HighY - LowY);
        (LowWidth, HighWidth) = (Width, Width);
        Area = PlanPolygon.DoubleArea(outline) / 2;

        // What is laid over the whole goes with the area.
        Settle(new BaseSize(Length, Area / Length, thickness), origin);
    }

    /// <summary>Sets the size of a trapezoid, or of a rectangle where both ends are alike.</summary>
    /// <param name="size">Its length and thickness; the width at its −x end.</param>
    /// <param name="highWidth">Its width at the +x end, m.</param>
    /// <param name="origin">The place's origin from the centroid.</param>
    internal void Set(in BaseSize size, double highWidth, in PlanPoint origin)
    {
        if (highWidth == size.Width)
        {
            Set(size, origin);
            return;
        }

        (IsRectangle, Length, LowWidth, HighWidth) = (false, size.Length, size.Width, highWidth);
        Width = (LowWidth + HighWidth) / 2;
        LowX = -Length * (LowWidth + (2 * HighWidth)) / (3 * (LowWidth + HighWidth));
        HighX = LowX + Length;
        Area = Length * Width;
        TakeCorners();
        Settle(new BaseSize(Length, Width, size.Thickness), origin);
    }

    private void TakeCorners()
    {
        outline = outline.Length == 4 ? outline : new PlanPoint[4];
        IsPolygon = false;
        (HighY, LowY) = (Math.Max(LowWidth, HighWidth) / 2, -Math.Max(LowWidth, HighWidth) / 2);
        (outline[0], outline[1]) = (new PlanPoint(LowX, -LowWidth / 2), new PlanPoint(HighX, -HighWidth / 2));
        (outline[2], outline[3]) = (new PlanPoint(HighX, HighWidth / 2), new PlanPoint(LowX, LowWidth / 2));
    }

    private void Settle(in BaseSize size, in PlanPoint origin, double? underside = null)
    {
        generation = Trial.Generation;
        this.origin = origin;
        Thickness = size.Thickness;
        for (var i = 0; i < placedLoads.Length; i++)
        {
            placedLoads[i] = Place.Loads[i].On(origin, size);
        }

        Underside = underside ?? Ground.Underside(size.Thickness + RibRise);
        var top = Underside + size.Thickness;
        SoilDepth = Math.Max(0, Ground.Level - top);
        BaseWeight = Rules.Concrete.Weight * ((Area * size.Thickness) + (Length * RibBreadth * RibRise));
        (PedestalWeight, HasPedestals) = (0, false);
        foreach (var column in columns)
        {
            column.Rest(top + RibRise);
            PedestalWeight += column.PedestalWeight;
            HasPedestals |= column.Pedestal is not null;
        }

        for (var w = 0; w < groundLoads.Length; w++)
        {
            groundLoads[w] = Over((WaterState)w, top);
        }

        Backing?.Lay();
        Bed?.Forget();
    }

    /// <summary>Corners of its outline, project axes, anticlockwise, m.</summary>
    public PlanPoint[] InPlan() => BaseGeometry.Corners(Place.Place, BaseGeometry.Centre(Place.Place, origin), outline);

    /// <summary>What ground and water do over and under the base in a combination.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public ref readonly GroundLoad GroundLoad(int combination) => ref groundLoads[(int)Place.Waters[combination]];

    /// <summary>The ground by depth in a combination.</summary>
    public GroundColumn GroundColumn(int combination) => Ground.Column(Place.Waters[combination]);

    /// <summary>The water of a combination in words, where it changes anything: "high water", "low water", "dry"; else null.</summary>
    public string? WaterWords(int combination) =>
        groundLoads[(int)WaterState.High].WaterPressure <= 0
            ? Backing?.Soil?.WaterDepth is null ? null
                : Place.Waters[combination] == WaterState.High ? "water behind the wall" : "no water behind the wall"
        : Place.Waters[combination] switch
        {
            WaterState.High => "high water",
            WaterState.Low => Ground.WaterDepthLow is null ? "dry" : "low water",
            _ => null,
        };

    /// <summary>Which surcharge a combination is looked at without, in words; null: none that it has.</summary>
    public string? SurchargeWords(int combination) => (Place.Bare[combination], Place.OffHeel[combination]) switch
    {
        (true, true) => "surcharge behind the heel alone",
        (false, true) => "surcharge off the heel",
        (true, false) => Backing?.Soil is null ? "no surcharge" : "no surcharge on the toe",
        _ => null,
    };

    /// <summary>What water and surcharge do in a combination that stands in several states, in words; else null.</summary>
    public string? StateWords(int combination) => (WaterWords(combination), SurchargeWords(combination)) switch
    {
        ({ } water, { } surcharge) => $"{water}, {surcharge}",
        var (water, surcharge) => water ?? surcharge,
    };

    /// <summary>What tips at most in each combination; found when it is first asked for.</summary>
    internal Checks.OnGround.TippingBound[] Tipping =>
        tipping ??= Checks.OnGround.TippingBound.Of(Place, Combinations, Rules.Stability.VariableResists);
}
