using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Contact;

namespace Plinth.Core.Figures;

/// <summary>Shear and moment in a section across the base.</summary>
/// <param name="At">Where it lies from the base's centre, m.</param>
/// <param name="Shear">Of the part on its −axis side, upwards positive, kN.</param>
/// <param name="Moment">Positive where it stretches the bottom, kNm.</param>
public readonly record struct SectionPoint(double At, double Shear, double Moment);

/// <summary>A section at which a check looks.</summary>
/// <param name="At">Where it lies from the base's centre, m.</param>
/// <param name="Demand">Shear or moment there, kN or kNm, without sign.</param>
public readonly record struct CheckedSection(double At, double Demand);

/// <summary>Shear and moment along a base from edge to edge; the column's load acts at its centre, so both jump there.</summary>
/// <param name="AlongX">Along x, or along y.</param>
/// <param name="Points">From −axis to +axis; two at the column's centre.</param>
/// <param name="Ends">Where the base ends along the axis, m from its centroid.</param>
/// <param name="Faces">Where the faces of what stands on the base lie, m.</param>
/// <param name="Moments">Bottom moments at the faces.</param>
/// <param name="MomentsTop">Top moments at the faces.</param>
/// <param name="Shears">Upward shears at d from the faces; only sections within the base.</param>
/// <param name="MomentStrength">φMn of the bottom bars, kNm.</param>
/// <param name="MomentStrengthTop">φMn of the top, kNm.</param>
/// <param name="ShearStrength">φVc with the bottom bars, kN.</param>
public sealed record ForceDiagram(bool AlongX, IReadOnlyList<SectionPoint> Points, (double Low, double High) Ends,
    (double Low, double High) Faces,
    IReadOnlyList<CheckedSection> Moments, IReadOnlyList<CheckedSection> MomentsTop, IReadOnlyList<CheckedSection> Shears,
    double MomentStrength, double MomentStrengthTop, double ShearStrength)
{
    private const int Steps = 40;

    private static double Most(SlabSpan s, int k) => Math.Max(Math.Max(s.AtFace(k, -1).MomentUp, s.AtFace(k, 1).MomentUp),
        Math.Max(s.AtFace(k, -1).MomentDown, s.AtFace(k, 1).MomentDown));

    /// <summary>
    /// The forces in a combination; null where there is no equilibrium, or nothing is carried along the axis.
    /// </summary>
    /// <param name="trial">The base, its design set.</param>
    /// <param name="k">The combination.</param>
    /// <param name="alongX">Along x, or along y.</param>
    public static ForceDiagram? Of(Trial trial, int k, bool alongX)
    {
        ArgumentNullException.ThrowIfNull(trial);
        var (s, stands) = (trial.Spans(alongX)[0], trial.Columns[0]);
        if (!s.Carries || s.Body.Contact(k).State == ContactState.NoEquilibrium)
        {
            return null;
        }

        // Of several that lie side by side the one that bends most.
        foreach (var other in trial.Spans(alongX)[1..])
        {
            s = Most(other, k) > Most(s, k) ? other : s;
        }

        // The centroid of a cap on three piles is not its middle.
        var ends = (Low: s.Body.Low(alongX), High: s.Body.High(alongX));
        var (column, face) = alongX ? (stands.X, stands.Outline.X / 2) : (stands.Y, stands.Outline.Y / 2);
        SectionPoint Point(int side, double fromEdge)
        {
            var at = side > 0 ? ends.High - fromEdge : ends.Low + fromEdge;
            var f = s.Beyond(k, side, (side * (at - column)) - face);
            var shear = f.ShearDown > 0 ? -f.ShearDown : f.ShearUp;
            return new SectionPoint(at, -side * shear, f.MomentDown > 0 ? -f.MomentDown : f.MomentUp);
        }

        // Each face is a point of its own, so that what is checked there is drawn there.
        IEnumerable<SectionPoint> Side(int side)
        {
            var reach = side > 0 ? ends.High - column : column - ends.Low;
            var overhang = Math.Clamp(reach - face, 0, reach);
            return Enumerable.Range(0, Steps + 1).Select(i => i * overhang / Steps).Append(reach).Distinct().Select(d => Point(side, d));
        }

        var d = s.Depth(true);
        var shears = new List<CheckedSection>();
        foreach (var side in new[] { -1, 1 })
        {
            if (s.Beyond(k, side, d) is { Overhang: > 0 } f)
            {
                shears.Add(new CheckedSection(f.At, f.ShearUp));
            }
        }

        var atFaces = new[] { -1, 1 }.Select(side => s.Beyond(k, side, 0)).Where(f => f.Overhang > 0).ToList();
        double Top(in FaceStrength both) => Math.Max(both.Bars.Strength, s.PlainOnTop(k) ? both.Plain : 0);
        var strength = alongX
            ? (Flexure<AxisX, BottomFace>.Capacity(s).Bars.Strength, Top(Flexure<AxisX, TopFace>.Capacity(s)),
                OneWayShear<AxisX>.Capacity(s).Bottom)
            : (Flexure<AxisY, BottomFace>.Capacity(s).Bars.Strength, Top(Flexure<AxisY, TopFace>.Capacity(s)),
                OneWayShear<AxisY>.Capacity(s).Bottom);
        return new ForceDiagram(alongX, [.. Side(-1), .. Side(1).Reverse()], ends, (column - face, column + face),
            [.. atFaces.Select(f => new CheckedSection(f.At, f.MomentUp))],
            [.. atFaces.Select(f => new CheckedSection(f.At, f.MomentDown))], shears, strength.Item1, strength.Item2, strength.Item3);
    }
}
