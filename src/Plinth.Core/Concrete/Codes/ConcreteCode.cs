using Plinth.Core.Tracing;

namespace Plinth.Core.Concrete.Codes;

/// <summary>A design code for concrete. Checks and foundations speak to it alone and never ask which it is.</summary>
public abstract partial class ConcreteCode
{
    /// <summary>The code's key in plinth.toml: "aci318m-19".</summary>
    public abstract string Id { get; }

    /// <summary>The code as cited: "ACI 318M-19".</summary>
    public abstract string Name { get; }

    /// <summary>The nationally determined values that it takes; null: it knows none.</summary>
    public virtual National.NationalAnnex? Annex => null;

    /// <summary>The same with the partial factors of another design situation; itself where it tells none apart.</summary>
    /// <param name="state">The limit state of a combination.</param>
    public virtual ConcreteCode InSituation(Loads.LimitState state) => this;

    /// <summary>Its own letters for quantities that checks call as ACI 318 does; those not listed are the same.</summary>
    public virtual IReadOnlyDictionary<string, string> Symbols => System.Collections.Frozen.FrozenDictionary<string, string>.Empty;

    /// <summary>Its own letter for a quantity that checks call as ACI 318 does.</summary>
    public string Letter(string symbol) => Symbols.GetValueOrDefault(symbol, symbol);

    /// <summary>What stands before the yield strength in the name of a grade of bars.</summary>
    public virtual string GradePrefix => "Grade ";

    /// <summary>The units in which the code is written, so that projects show them where they say nothing else.</summary>
    public abstract Units.UnitSystem WrittenIn { get; }

    /// <summary>Whether more longitudinal steel gives more one-way shear strength, so that sizing weighs one against the other.</summary>
    public abstract bool OneWayShearGrowsWithSteel { get; }

    /// <summary>Whether more steel gives more two-way shear strength.</summary>
    public virtual bool TwoWayShearGrowsWithSteel => false;

    /// <summary>Whether the shear at the very face of what stands on a base is limited, by <see cref="SteepShear"/>.</summary>
    public virtual bool LimitsShearAtFace => false;

    /// <summary>Whether evenly spread bars across the shorter side of a rectangular base must be more than is required.</summary>
    public virtual bool SpreadsShortWay => true;

    /// <summary>Clause of one-way shear.</summary>
    public abstract string OneWayShearClause { get; }

    /// <summary>Clause of two-way shear.</summary>
    public abstract string TwoWayShearClause { get; }

    /// <summary>Clause of flexure.</summary>
    public abstract string FlexureClause { get; }

    /// <summary>Clause of minimum steel.</summary>
    public abstract string MinimumSteelClause { get; }

    /// <summary>Clause of bar spacing.</summary>
    public abstract string SpacingClause { get; }

    /// <summary>Clause of the least effective depth.</summary>
    public abstract string LeastDepthClause { get; }

    /// <summary>Clause of the spread of steel in the short direction of rectangular bases.</summary>
    public abstract string ShortWayClause { get; }

    /// <summary>Design strength of concrete in one-way shear, φVc, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="breadth">bw, m.</param>
    /// <param name="depth">d, m.</param>
    /// <param name="steelArea">As of the bars that span, m2.</param>
    /// <param name="ofFooting">Whether it is a footing's own section, for which codes may leave the effect of its size away.</param>
    public abstract double OneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double depth, double steelArea,
        bool ofFooting = true)
        where T : struct, ITrace;

    /// <summary>Design strength of concrete in two-way shear, φvc, kPa.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="section">The critical section.</param>
    /// <param name="ofFooting">Whether it is a footing's on the ground, for which codes may leave the effect of its size away.</param>
    public abstract double TwoWayShear<T>(ref T trace, ConcreteRules concrete, in TwoWaySection section, bool ofFooting = true)
        where T : struct, ITrace;

    /// <summary>Share of the unbalanced moment that eccentricity of shear carries, γv.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="symbol">The symbol: "γv,x" or "γv,y".</param>
    /// <param name="along">b1: side of the section along the span of the bending, m.</param>
    /// <param name="across">b2: side across it, m.</param>
    public abstract double ShearShareOfMoment<T>(ref T trace, string symbol, double along, double across)
        where T : struct, ITrace;

    /// <summary>Design strength in flexure, φMn.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="steelArea">As, m2.</param>
    /// <param name="breadth">b, m.</param>
    /// <param name="depth">d, m.</param>
    public abstract FlexuralStrength Flexure<T>(ref T trace, ConcreteRules concrete, double yield, double steelArea, double breadth,
        double depth)
        where T : struct, ITrace;

    /// <summary>Least steel area over breadth times <see cref="LeastSteelDepth"/>.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="yield">fy, kPa.</param>
    public abstract double MinimumSteelRatio<T>(ref T trace, ConcreteRules concrete, double yield)
        where T : struct, ITrace;

    /// <summary>The depth that least steel goes by, h or d, with its letter, m.</summary>
    /// <param name="thickness">h, m.</param>
    /// <param name="depth">d of the bars, m.</param>
    public abstract (string Symbol, double Value) LeastSteelDepth(double thickness, double depth);

    /// <summary>Least diameter of bars in a base, m; 0: any.</summary>
    public virtual double LeastDiameter => 0;

    /// <summary>The limits of <see cref="MostSpacing"/> in words.</summary>
    public abstract string SpacingWords { get; }

    /// <summary>The limits of <see cref="LeastClear"/> in words.</summary>
    public abstract string ClearWords { get; }

    /// <summary>What to say of a section with more steel than the code lets it have.</summary>
    public abstract string TooMuchSteel { get; }

    /// <summary>Greatest distance of bars centre to centre that the code allows, m.</summary>
    /// <param name="thickness">h, m.</param>
    public abstract double MostSpacing(double thickness);

    /// <summary>Least clear distance between bars, m.</summary>
    /// <param name="diameter">db, m.</param>
    /// <param name="aggregate">Nominal maximum size of aggregate, m.</param>
    public abstract double LeastClear(double diameter, double aggregate);

    /// <summary>Least effective depth of the bottom bars of a footing on soil, m.</summary>
    public abstract double LeastEffectiveDepth { get; }

    /// <summary>Modulus of elasticity of normalweight concrete, Ec, kPa.</summary>
    /// <param name="strength">f'c, kPa.</param>
    public abstract double Elasticity(double strength);

    /// <summary>Where that stands.</summary>
    public abstract string ElasticityClause { get; }

    /// <summary>Clause of the development of bars.</summary>
    public abstract string AnchorageClause { get; }

    /// <summary>Clause of bearing on concrete.</summary>
    public abstract string BearingClause { get; }

    /// <summary>Clause of joints between column, pedestal and base.</summary>
    public abstract string InterfaceClause { get; }

    /// <summary>Clause of shear friction.</summary>
    public abstract string ShearFrictionClause { get; }

    /// <summary>Clause of axial force with moments.</summary>
    public abstract string ColumnClause { get; }

    /// <summary>Clause of the least steel near punched columns; null where the code has no such rule.</summary>
    public abstract string? PunchingSteelClause { get; }

    /// <summary>Clause of plain concrete.</summary>
    public abstract string PlainClause { get; }

    /// <summary>The clause of plain concrete without the code's name, for notes.</summary>
    public abstract string PlainShort { get; }

    /// <summary>Effective thickness of a plain section cast against the ground, m.</summary>
    /// <param name="thickness">h, m.</param>
    public abstract double PlainThickness(double thickness);

    /// <summary>Design strength of a plain section in flexure, φMn, kNm.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="breadth">b, m.</param>
    /// <param name="thickness">h', m.</param>
    public abstract double PlainFlexure<T>(ref T trace, ConcreteRules concrete, double breadth, double thickness)
        where T : struct, ITrace;

    /// <summary>Design strength of a plain section in one-way shear, φVn, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="breadth">b, m.</param>
    /// <param name="thickness">h', m.</param>
    public abstract double PlainOneWayShear<T>(ref T trace, ConcreteRules concrete, double breadth, double thickness)
        where T : struct, ITrace;

    /// <summary>Design strength of a plain section in two-way shear, φvn, kPa.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="beta">Long over short side of the column.</param>
    public abstract double PlainTwoWayShear<T>(ref T trace, ConcreteRules concrete, double beta)
        where T : struct, ITrace;

    /// <summary>Length in which a straight bar in tension takes up its yield stress, ld, m.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="bar">The bar.</param>
    public abstract double StraightDevelopment<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar)
        where T : struct, ITrace;

    /// <summary>Length in which a bar with a standard hook takes up its yield stress, ldh, m.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="bar">The bar.</param>
    public abstract double HookedDevelopment<T>(ref T trace, ConcreteRules concrete, in DevelopedBar bar)
        where T : struct, ITrace;

    /// <summary>Length in which a pressed bar takes up its yield stress, ldc, m.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="strength">f'c of the concrete it stands in, kPa.</param>
    /// <param name="lightweight">λ.</param>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="diameter">db, m.</param>
    public abstract double CompressionDevelopment<T>(ref T trace, double strength, double lightweight, double yield, double diameter)
        where T : struct, ITrace;

    /// <summary>Whether a development length may be reduced where there is more steel than is required.</summary>
    /// <param name="hooked">Of a hook, or of a straight bar.</param>
    /// <param name="category">Seismic design category; null: not stated.</param>
    public abstract bool ExcessReduces(bool hooked, Loads.SeismicCategory? category);

    /// <summary>
    /// Share of a compressed section that counts where it has less steel than the code's ordinary least; 1 from there on.
    /// </summary>
    /// <param name="ratio">Steel over the gross area.</param>
    public abstract double EffectiveShare(double ratio);

    /// <summary>Clause of <see cref="EffectiveShare"/>.</summary>
    public abstract string EffectiveAreaClause { get; }

    /// <summary>Greatest clear distance along a tie from a bar that it holds to one that it does not, m.</summary>
    public abstract double MostUnheld { get; }

    /// <summary>Ties that stand round anchor bolts at the top of a pedestal: within what distance, and how many of a size, m.</summary>
    /// <param name="tie">Diameter of the ties, m.</param>
    public abstract (double Within, int Count) TopTies(double tie);

    /// <summary>Clause of the moment that flexure transfers between base and column.</summary>
    public abstract string MomentTransferClause { get; }

    /// <summary>
    /// Area of bars without which a footing's one-way shear strength cannot reach a shear, m2; 0 where the strength does not depend on
    /// them.
    /// </summary>
    /// <param name="concrete">The concrete.</param>
    /// <param name="breadth">bw, m.</param>
    /// <param name="depth">d, m.</param>
    /// <param name="shear">Vu, kN.</param>
    public abstract double LeastSteelForShear(ConcreteRules concrete, double breadth, double depth, double shear);

    /// <summary>Clause of laps.</summary>
    public abstract string LapClause { get; }

    /// <summary>Largest diameter that may be lapped, m.</summary>
    public abstract double LargestLapped { get; }

    /// <summary>Length of a lap of dowel and column bar under compression, m.</summary>
    public abstract double CompressionLap<T>(ref T trace, ConcreteRules concrete, in LappedBar bar)
        where T : struct, ITrace;

    /// <summary>Length of a lap of dowel and column bar that may be pulled, all lapped at one place, m.</summary>
    public abstract double TensionLap<T>(ref T trace, ConcreteRules concrete, in LappedBar bar)
        where T : struct, ITrace;

    /// <summary>Height of a standard 90° hook, outside of the bar to its end, m.</summary>
    /// <param name="diameter">db, m.</param>
    public abstract double HookHeight(double diameter);

    /// <summary>Inside diameter of bend of main bars, m.</summary>
    /// <param name="diameter">db, m.</param>
    public abstract double BendDiameter(double diameter);

    /// <summary>Inside diameter of bend of ties, and how far a hook of 90° runs on beyond its bend, m.</summary>
    /// <param name="diameter">Of the tie, m.</param>
    public abstract (double Bend, double Extension) TieHook(double diameter);

    /// <summary>Least length by which the hooked ends of a circular tie lap, m.</summary>
    public abstract double HoopOverlap { get; }

    /// <summary>Design bearing strength, φBn, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="strength">f'c, kPa.</param>
    /// <param name="loaded">A1, m2.</param>
    /// <param name="supporting">A2, m2; the loaded area itself where nothing surrounds it.</param>
    public abstract double BearingOnConcrete<T>(ref T trace, double strength, double loaded, double supporting)
        where T : struct, ITrace;

    /// <summary>Greatest strength of concrete in bearing over that without what surrounds it.</summary>
    public abstract double BearingMost { get; }

    /// <summary>How many times longer the sides of the area may be over which bearing spreads.</summary>
    /// <param name="spread">What presses, and what is beside and below it.</param>
    public abstract double SimilarTimes(in ConcentricSpread spread);

    /// <summary>That area in words.</summary>
    public abstract string SimilarWords { get; }

    /// <summary>Design strength of bars that are pressed with the concrete about them, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="steel">As, m2.</param>
    /// <param name="yield">fy, kPa.</param>
    public abstract double BarsInBearing<T>(ref T trace, double steel, double yield)
        where T : struct, ITrace;

    /// <summary>Least area of a column's bars by the force in it, m2; 0 where none is asked.</summary>
    /// <param name="force">Downwards, kN.</param>
    /// <param name="yield">fy, kPa.</param>
    public virtual double LeastForForce(double force, double yield) => 0;

    /// <summary>Least area of dowels over the column's gross area.</summary>
    public abstract double LeastDowels { get; }

    /// <summary>Shear carried across a joint by friction, φVn, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="joint">The joint.</param>
    public abstract double ShearFriction<T>(ref T trace, in FrictionJoint joint)
        where T : struct, ITrace;

    /// <summary>A section under axial force and moments, by the code's block of stress.</summary>
    /// <param name="sizeX">Side along x, or diameter, m.</param>
    /// <param name="sizeY">Side along y, m.</param>
    /// <param name="round">Whether it is round.</param>
    /// <param name="bars">Its bars.</param>
    /// <param name="strength">f'c, kPa.</param>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="hollowX">Clear size along x of a hollow in its middle, m; 0: none.</param>
    /// <param name="hollowY">The same along y, m.</param>
    public abstract ColumnSection Section(double sizeX, double sizeY, bool round, IReadOnlyList<SectionBar> bars, double strength,
        double yield, double hollowX = 0, double hollowY = 0);

    /// <summary>Design shear stress across the keyed contact of grout with column or socket, φvnh, kPa.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="strength">Least f'c of column, grout and socket, kPa.</param>
    public abstract double KeyedShear<T>(ref T trace, double strength)
        where T : struct, ITrace;

    /// <summary>Design strength of bars in tension, φTn, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="steel">As, m2.</param>
    /// <param name="yield">fy, kPa.</param>
    public abstract double TensionStrength<T>(ref T trace, double steel, double yield)
        where T : struct, ITrace;

    /// <summary>How many times a load a tied section holds by design strength, cap on axial force included.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="section">The section.</param>
    /// <param name="n">Downwards, kN.</param>
    /// <param name="mx">About x, kNm.</param>
    /// <param name="my">About y, kNm.</param>
    public abstract double TimesHeld<T>(ref T trace, ColumnSection section, double n, double mx, double my)
        where T : struct, ITrace;

    /// <summary>
    /// Share of their yield stress for which the bars of a joint must take hold where they are pressed: 0 where the concrete alone holds
    /// the load. Codes that ask for all of it always say 1.
    /// </summary>
    /// <param name="section">The section.</param>
    /// <param name="n">Downwards, kN.</param>
    /// <param name="mx">About x, kNm.</param>
    /// <param name="my">About y, kNm.</param>
    public virtual double PressedShare(ColumnSection section, double n, double mx, double my) => 1;

    /// <summary>Least length that a pressed bar takes hold in, whatever its stress, m.</summary>
    /// <param name="diameter">db, m.</param>
    public virtual double LeastPressed(double diameter) => 0;

    /// <summary>A bound that the utilisation of a section never exceeds: the concrete alone. Infinite where it cannot tell.</summary>
    /// <param name="section">The section.</param>
    /// <param name="n">Downwards, kN.</param>
    /// <param name="mx">About x, kNm.</param>
    /// <param name="my">About y, kNm.</param>
    public abstract double UtilisationBound(ColumnSection section, double n, double mx, double my);

    /// <summary>Least and greatest steel of a column or pedestal over its gross area.</summary>
    /// <param name="slender">Whether it is so tall that it counts as a column.</param>
    public abstract (double Least, double Most) ColumnSteel(bool slender);

    /// <summary>Greatest spacing of ties, m.</summary>
    /// <param name="bar">Diameter of the vertical bars, m.</param>
    /// <param name="tie">Diameter of the ties, m.</param>
    /// <param name="least">Least side of the section, m.</param>
    public abstract double TieSpacing(double bar, double tie, double least);

    /// <summary>Its limits in words.</summary>
    public abstract string TieWords { get; }

    /// <summary>Least diameter of ties, m.</summary>
    /// <param name="bar">Diameter of the vertical bars, m.</param>
    public abstract double LeastTie(double bar);

    /// <summary>Clause of ties.</summary>
    public abstract string TieClause { get; }

    /// <summary>Design shear strength of a tied column, φVn, kN.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete; its strength that of the column.</param>
    /// <param name="column">The section and its ties.</param>
    public abstract double ColumnShear<T>(ref T trace, ConcreteRules concrete, in ShearColumn column)
        where T : struct, ITrace;

    /// <summary>Utilisation of a section under shears both ways at once.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="x">Utilisation along x alone.</param>
    /// <param name="y">Utilisation along y alone.</param>
    public abstract double ShearBothWays<T>(ref T trace, double x, double y)
        where T : struct, ITrace;

    /// <summary>Clause of shear in columns.</summary>
    public abstract string ColumnShearClause { get; }

    /// <summary>Least bottom steel within the punched strip, m2; 0 where none is asked.</summary>
    /// <param name="trace">Receives the steps.</param>
    /// <param name="concrete">The concrete.</param>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="stress">vuv, kPa.</param>
    /// <param name="strip">bslab, m.</param>
    /// <param name="section">The critical section.</param>
    public abstract double PunchingSteel<T>(ref T trace, ConcreteRules concrete, double yield, double stress, double strip,
        in TwoWaySection section)
        where T : struct, ITrace;

    /// <summary>Greatest spacing of bars for crack control, m.</summary>
    /// <param name="yield">fy, kPa.</param>
    /// <param name="cover">Clear cover to the bars, m.</param>
    public abstract double CrackSpacing(double yield, double cover);
}
