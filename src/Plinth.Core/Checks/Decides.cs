namespace Plinth.Core.Checks;

/// <summary>What of a design a check decides.</summary>
public enum Decisions
{
    /// <summary>Nothing: it is told, and its parts by direction decide.</summary>
    Nothing,

    /// <summary>Plan size alone.</summary>
    Plan,

    /// <summary>Thickness, by the depth of both layers.</summary>
    Depth,

    /// <summary>The bars along one axis.</summary>
    Bars,

    /// <summary>Whether the bars along one axis need hooks.</summary>
    Ends,

    /// <summary>What stands on the base: column, joint, pedestal, socket.</summary>
    Upright,
}

/// <summary>What of a design a check decides: of bars along which axis, and in which face.</summary>
/// <param name="What">What it is.</param>
/// <param name="AlongX">Bars along x, or along y; null: no bars.</param>
/// <param name="Face">The face of the bars alone that it looks at; <see cref="Face.None"/>: both.</param>
public readonly record struct Decides(Decisions What, bool? AlongX = null, Face Face = Face.None)
{
    /// <summary>Nothing.</summary>
    public static readonly Decides Nothing;

    /// <summary>Plan size alone.</summary>
    public static readonly Decides Plan = new(Decisions.Plan);

    /// <summary>Thickness.</summary>
    public static readonly Decides Depth = new(Decisions.Depth);

    /// <summary>What stands on the base.</summary>
    public static readonly Decides Upright = new(Decisions.Upright);

    /// <summary>The bars along an axis.</summary>
    public static Decides Bars(bool alongX, Face face = Face.None) => new(Decisions.Bars, alongX, face);

    /// <summary>The ends of the bars along an axis.</summary>
    public static Decides Ends(bool alongX) => new(Decisions.Ends, alongX);

    /// <summary>Whether it is of the slab's section: its depth and bars.</summary>
    public bool IsOfSection => What is Decisions.Depth or Decisions.Bars or Decisions.Ends;

    /// <summary>Whether bars along an axis in a face have a part in it.</summary>
    public bool IsOfBars(bool alongX, Face face) =>
        What is Decisions.Bars or Decisions.Ends && AlongX == alongX && (Face == Face.None || Face == face);
}

/// <summary>Parts of what stands on a base, by which a search knows what to change.</summary>
[Flags]
public enum Uprights
{
    /// <summary>None.</summary>
    None = 0,

    /// <summary>Size and bars of a pedestal, or the bars of a socket's walls.</summary>
    Pedestal = 1,

    /// <summary>Ties of a pedestal.</summary>
    Ties = 2,

    /// <summary>Dowels.</summary>
    Dowels = 4,

    /// <summary>Depth and hollow of a socket.</summary>
    Hollow = 8,

    /// <summary>Ties of a socket's walls.</summary>
    Walls = 16,

    /// <summary>Bending of a socket's walls, which knows no bars.</summary>
    Bending = 32,

    /// <summary>Floor of a socket, which the base's thickness holds.</summary>
    Floor = 64,
}
