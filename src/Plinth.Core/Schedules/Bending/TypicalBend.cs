namespace Plinth.Core.Schedules;

/// <summary>
/// A bent bar by the typical bends of ACI 315: its type and lettered dimensions, outside to outside of the bar, m; what a type does not
/// have is 0.
/// </summary>
/// <param name="Type">"str" straight, "2" with hooks of 90°, "T1" closed tie, "T3" hoop, "T9" cross-tie.</param>
/// <param name="A">Hook at the first end.</param>
/// <param name="B">First side.</param>
/// <param name="C">Second side.</param>
/// <param name="D">Third side.</param>
/// <param name="E">Fourth side.</param>
/// <param name="G">Hook at the last end.</param>
/// <param name="O">Outside diameter of a hoop.</param>
/// <remarks>ACI 315R-18, typical bar bends; B of a hoop is the lap of its ends.</remarks>
public readonly record struct TypicalBend(string Type, double A = 0, double B = 0, double C = 0, double D = 0, double E = 0, double G = 0,
    double O = 0)
{
    /// <summary>The dimensions in the order of the schedule.</summary>
    public IReadOnlyList<(string Letter, double Value)> Dimensions =>
        [("A", A), ("B", B), ("C", C), ("D", D), ("E", E), ("G", G), ("O", O)];

    /// <summary>The bend of a group of bars.</summary>
    public static TypicalBend Of(BarGroup group)
    {
        ArgumentNullException.ThrowIfNull(group);
        var s = group.Shape;
        return s.Code switch
        {
            "00" => new("str", B: s.A),
            "11" => new("2", A: s.B, B: s.A),
            "21" => new("2", A: s.A, B: s.B, G: s.C),
            "51" => new("T1", A: s.C, B: s.A, C: s.B, D: s.A, E: s.B, G: s.C),
            _ =>
                group.Role is BarRole.CrossTiesX or BarRole.CrossTiesY
                    ? new("T9", A: s.C, B: s.A, G: s.B)
                    : new("T3", A: s.C, B: s.B, G: s.C, O: s.A),
        };
    }
}
