using Plinth.Core.Contact;

namespace Plinth.Core.Bodies;

/// <content>What the ground pushes up: a plane under a rigid body, what springs give under one that bends.</content>
public sealed partial class GroundBody
{
    /// <summary>The greatest pressure in a combination, kPa; read only where there is equilibrium.</summary>
    public double MostPressure(int combination) =>
        Bed is { } bed ? bed.Beam(combination).Pressures().Most : Contact(combination).Pressure.Peak;

    /// <summary>Pressure at a point in a combination, kPa.</summary>
    public double PressureAt(int combination, double x, double y) =>
        Bed is { } bed ? bed.Beam(combination).Pressure(x, y) : Contact(combination).Pressure.At(x, y);

    /// <summary>
    /// Least pressure in a combination without the surcharge while the whole base bears, kPa: of a rigid one at a corner.
    /// </summary>
    public double LeastPressureWithoutSurcharge(int combination) =>
        Bed is { } bed ? bed.WithoutSurcharge(combination).Least : LeastOf(ContactWithoutSurcharge(combination).Pressure);

    /// <summary>The same with the surcharge.</summary>
    public double LeastPressure(int combination) =>
        Bed is { } bed ? bed.Beam(combination).Pressures().Least : LeastOf(Contact(combination).Pressure);

    private double LeastOf(in PressureField p)
    {
        var least = double.PositiveInfinity;
        foreach (var c in outline)
        {
            least = Math.Min(least, p.At(c.X, c.Y));
        }

        return least;
    }

    /// <summary>What the ground pushes up on a rectangle within the body in a combination, with its moments about the centroid.</summary>
    public PressureResultant PushedWithin(int combination, double x0, double y0, double x1, double y1) =>
        Bed is { } bed
            ? bed.Beam(combination).Over(x0, y0, x1, y1)
            : Contact(combination).Pressure.OverRectangle(x0, y0, x1, y1);

    /// <summary>All that the ground pushes in a combination, with its moments about the centroid, kN and kNm.</summary>
    public PressureResultant Pushed(int combination)
    {
        if (parts.Length == 0)
        {
            return Bed is not null
                ? PushedWithin(combination, LowX, LowY, HighX, HighY)
                : Contact(combination).Pressure.Over(outline);
        }

        var sum = default(PressureResultant);
        for (var i = 0; i < parts.Length; i++)
        {
            var own = Contact(combination).Pressure.Over(corners.AsSpan(CornersOfPart * i, CornersOfPart));
            sum = new PressureResultant(sum.Force + own.Force, sum.MomentX + own.MomentX, sum.MomentY + own.MomentY);
        }

        return sum;
    }
}
