using Plinth.Core.Bodies;
using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Checks.OfConcrete;

/// <summary>What acts on a section of the column or pedestal, in the section's own axes.</summary>
/// <param name="N">Downwards, kN.</param>
/// <param name="Fx">Along x, kN.</param>
/// <param name="Fy">Along y, kN.</param>
/// <param name="Mx">About x, kNm.</param>
/// <param name="My">About y, kNm.</param>
internal readonly record struct SectionAction(double N, double Fx, double Fy, double Mx, double My)
{
    /// <summary>Resultant shear, kN.</summary>
    public double Shear => Math.Sqrt((Fx * Fx) + (Fy * Fy));

    /// <summary>Resultant moment, kNm.</summary>
    public double Moment => Math.Sqrt((Mx * Mx) + (My * My));
}

/// <summary>The concrete sections above a base, made once for what stands there.</summary>
internal sealed class JointSections
{
    private ColumnSection? column;
    private ColumnSection? pedestal;
    private (double Strength, Concrete.Codes.ConcreteCode? Code) columnOf;
    private Concrete.Codes.ConcreteCode? pedestalOf;
    private ConcreteRules? ofPedestal;

    /// <summary>Forgets the sections, as something else stands there now.</summary>
    public void Forget() => (column, pedestal) = (null, null);

    /// <summary>Whether a concrete column stands there whose joint is designed; one in a socket has none.</summary>
    public static bool Designed(Standing s) => s.Rules.Column.Known && s.Pedestal?.Socket is null && s.Support.IsConcrete;

    /// <summary>f'c of the pedestal, else of the base: what the column stands on, kPa.</summary>
    public static double Supporting(Standing s) => s.Pedestal is null ? s.Rules.Concrete.Strength : PedestalStrength(s);

    /// <summary>f'c of the pedestal, kPa.</summary>
    public static double PedestalStrength(Standing s) => s.Rules.Pedestal.Strength ?? s.Rules.Concrete.Strength;

    /// <summary>The concrete of the pedestal.</summary>
    public ConcreteRules PedestalConcrete(Standing s) => ofPedestal ??= s.Rules.Concrete with { Strength = PedestalStrength(s) };

    /// <summary>
    /// f'c at the joint under the column: of the column, or of what it stands on with the help of what surrounds it, if that is less, kPa.
    /// </summary>
    public static double AtColumn(Standing s)
    {
        var (loaded, around) = ColumnBearing.Areas(s, s.Pedestal is not null);
        return Math.Min(s.Rules.Column.Strength ?? double.PositiveInfinity,
            Supporting(s) * Math.Min(s.Code.BearingMost, Math.Sqrt(Math.Max(1, around / loaded))));
    }

    /// <summary>The column with the dowels for its bars.</summary>
    public ColumnSection Column(Standing s)
    {
        var strength = AtColumn(s);
        if (column is null || columnOf != (strength, s.Code))
        {
            var support = s.Support;
            var round = support.Shape == ColumnShape.Round;
            var ties = s.Dowels.Size is { } dowel ? s.Code.LeastTie(dowel.Diameter) : 0;
            column = Make(s, support.SizeX, round ? support.SizeX : support.SizeY, round, s.Dowels, s.Rules.Column.Cover + ties, strength);
            columnOf = (strength, s.Code);
        }

        return column;
    }

    /// <summary>The pedestal.</summary>
    public ColumnSection Pedestal(Standing s)
    {
        if (pedestal is null || !ReferenceEquals(pedestalOf, s.Code))
        {
            pedestal = Make(s, s.Pedestal!.SizeX, s.Pedestal.SizeY, s.Pedestal.Round, Bars(s.Pedestal),
                s.Rules.Pedestal.Cover + (s.Pedestal.Ties.Size?.Diameter ?? 0), PedestalStrength(s), true, s.Pedestal.Socket);
            pedestalOf = s.Code;
        }

        return pedestal;
    }

    /// <summary>Least distance of the pedestal's neighbouring bars, centre to centre, m.</summary>
    public static double PedestalGap(Standing s)
    {
        var p = s.Pedestal!;
        return ColumnSection.LeastGap(p.SizeX, p.Round ? p.SizeX : p.SizeY, p.Round, p.Bars.Count,
            s.Rules.Pedestal.Cover + (p.Ties.Size?.Diameter ?? 0) + ((p.Bars.Size?.Diameter ?? 0) / 2));
    }

    /// <summary>Whether an action parts some of a section: it pulls, or its force stands beyond the middle third.</summary>
    public static bool Pulls(in SectionAction a, double x, double y) =>
        a.N <= 0 ? a.N < 0 || a.Moment > 0 : (Math.Abs(a.My) / a.N / x) + (Math.Abs(a.Mx) / a.N / y) > 1.0 / 6;

    /// <summary>The same of a column: a round one is parted beyond an eighth of its diameter.</summary>
    public static bool Pulls(in SectionAction a, Support column) =>
        column.Shape != ColumnShape.Round ? Pulls(a, column.SizeX, column.SizeY)
            : a.N <= 0 ? a.N < 0 || a.Moment > 0
            : a.Moment / a.N > column.SizeX / 8;

    /// <summary>The pedestal's vertical bars.</summary>
    public static BarLayer Bars(Pedestal pedestal) => new(pedestal.Bars.Count, pedestal.Bars.Size);

    /// <summary>What acts on the column's section where it stands, in its own axes.</summary>
    public static SectionAction AtColumnFoot(Standing s, int k)
    {
        var a = At(s, k, s.ColumnFoot - s.Body.Underside);
        var turned = new Loads.SupportAction(a.N, a.Fx, a.Fy, a.Mx, a.My,
            0).InAxesTurnedBy(s.Support.AngleDegrees - s.Place.Place.AngleDegrees);
        return new SectionAction(turned.N, turned.Fx, turned.Fy, turned.Mx, turned.My);
    }

    /// <summary>
    /// What acts on the pedestal at its foot, its own weight included, in the base's axes. The walls of a socket carry the moments and a
    /// pull; pressure passes through the column's foot.
    /// </summary>
    public static SectionAction AtPedestalFoot(Standing s, int k)
    {
        var a = At(s, k, s.Body.Height);
        return s.Pedestal?.Socket is null
            ? a with { N = a.N + (s.Combinations[k].WeightFactor * s.PedestalWeight) }
            : a with { N = Math.Min(0, a.N) };
    }

    /// <summary>What acts on the pedestal at its top, in the base's axes.</summary>
    public static SectionAction AtPedestalTop(Standing s, int k) => At(s, k, s.ColumnFoot - s.Body.Underside);

    private static SectionAction At(Standing s, int k, double height)
    {
        ref readonly var a = ref s.Brings(k);
        var arm = s.Arm - height;
        return new SectionAction(a.N, a.Fx, a.Fy, a.Mx - (arm * a.Fy), a.My + (arm * a.Fx));
    }

    // A pedestal with little steel counts as one of less area: its concrete counts in that proportion, so that Po is that of the reduced
    // area.
    // Bars stand within cover and ties; of a column the ties are not stated and taken as the least allowed.
    private static ColumnSection Make(Standing s, double x, double y, bool round, BarLayer bars, double coverToBars, double strength,
        bool ofPedestal = false, Socket? socket = null)
    {
        var toCentre = coverToBars + (bars.Diameter / 2);
        var (hx, hy) = socket is null ? (0, 0) : (x - (2 * socket.Wall), y - (2 * socket.Wall));
        var section = s.Code.Section(x, y, round, ColumnSection.Around(x, y, round, bars, toCentre), strength, s.Rules.Steel.Yield, hx, hy);
        var share = ofPedestal ? s.Code.EffectiveShare(section.Steel / section.Gross) : 1;
        return share < 1 ? section.WithConcrete(((share * section.Gross) - section.Steel) / (section.Gross - section.Steel)) : section;
    }
}
