using Plinth.Core.Concrete;
using Plinth.Core.Foundations;
using Plinth.Core.Units;

namespace Plinth.Files.Adopted;

/// <summary>What `set` and `check --set` change of a pedestal.</summary>
internal static class PedestalText
{
    /// <summary>What is said where there is no socket.</summary>
    public const string NoSocket = "there is no socket to change; ask for one in plinth.toml: [socket] under = \"concrete\"";

    /// <summary>A pedestal with a value; reports nothing, tells the fault.</summary>
    /// <param name="pedestal">The pedestal.</param>
    /// <param name="key">The whole key, as given.</param>
    /// <param name="what">Its last part: size, bars, ties, socket or wall.</param>
    /// <param name="value">The value.</param>
    /// <param name="fault">Why not; null if it could be read.</param>
    public static Pedestal? With(Pedestal pedestal, string key, string what, string value, out string? fault)
    {
        if (what == "size")
        {
            var sides = Sides(value);
            if (sides.Length is 0 or > 2)
            {
                fault = $"{key} \"{value}\" is not one side or two; write for example \"450 mm, 450 mm\"";
                return null;
            }

            if (!Quantity.TryRead(sides[0], Measure.Length, out var x, out fault)
                || !Quantity.TryRead(sides[^1], Measure.Length, out var y, out fault))
            {
                fault = $"{key} {fault}";
                return null;
            }

            if (x <= 0 || y <= 0)
            {
                fault = $"{key} \"{value}\" must be more than zero";
                return null;
            }

            return pedestal with { SizeX = x, SizeY = y };
        }

        if (what is "socket" or "wall")
        {
            return InSocket(pedestal, key, what, value, out fault);
        }

        if (!BarSpec.TryParse(value, out var bars, out fault))
        {
            return null;
        }

        if (what == "ties")
        {
            if (bars.Spacing <= 0)
            {
                fault = $"{key} \"{value}\": ties are a size and a spacing; write for example \"T10 @ 150 mm\"";
                return null;
            }

            return pedestal with { Ties = bars };
        }

        return IsRing(key, value, bars, out fault) ? pedestal with { Bars = bars } : null;
    }

    /// <summary>Sides in a value: "450 mm, 450 mm", "450 mm × 450 mm", or one.</summary>
    public static string[] Sides(string value) =>
        [.. value.Trim('[', ']').Split(['×', 'x', ','], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            .Select(s => s.Trim('"'))];

    /// <summary>Whether bars can stand round a section.</summary>
    public static bool IsRing(string key, string value, BarSpec bars, out string? fault)
    {
        var wrong = bars.Size is not null && (bars.Count < 4 || bars.Count % 2 != 0);
        fault = wrong ? $"{key} \"{value}\": bars stand round the section, an even number from 4; write for example \"8 T20\"" : null;
        return !wrong;
    }

    private static Pedestal? InSocket(Pedestal pedestal, string key, string what, string value, out string? fault)
    {
        if (pedestal.Socket is not { } socket)
        {
            fault = NoSocket;
            return null;
        }

        if (!Quantity.TryRead(value, Measure.Length, out var v, out fault) || v <= 0)
        {
            fault = fault is null ? $"{key} \"{value}\" must be more than zero" : $"{key} {fault}";
            return null;
        }

        return pedestal with { Socket = what == "socket" ? socket with { Depth = v } : socket with { Wall = v } };
    }
}
