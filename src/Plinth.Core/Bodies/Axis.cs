namespace Plinth.Core.Bodies;

/// <summary>A direction in plan as a type, so that a check of both directions is written once.</summary>
internal interface IAxis
{
    /// <summary>Whether it is x.</summary>
    static abstract bool IsX { get; }

    /// <summary>"x" or "y".</summary>
    static abstract string Name { get; }
}

/// <summary>Along x.</summary>
internal readonly struct AxisX : IAxis
{
    public static bool IsX => true;

    public static string Name => "x";
}

/// <summary>Along y.</summary>
internal readonly struct AxisY : IAxis
{
    public static bool IsX => false;

    public static string Name => "y";
}
