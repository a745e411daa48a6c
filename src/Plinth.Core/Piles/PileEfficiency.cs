namespace Plinth.Core.Piles;

/// <summary>What piles keep of their capacity where they stand in a group.</summary>
public static class PileEfficiency
{
    /// <summary>
    /// By the rule of Converse and Labarre: 1 − θ/90°·((n − 1)·m + (m − 1)·n)/(m·n), θ = atan(size/pitch) (J. E. Bowles, Foundation
    /// Analysis and Design, 18-2).
    /// </summary>
    /// <param name="size">Diameter or side, m.</param>
    /// <param name="pitch">Least distance of centres, m.</param>
    /// <param name="rows">How many rows.</param>
    /// <param name="inRow">The most in a row.</param>
    public static double ConverseLabarre(double size, double pitch, int rows, int inRow) =>
        1 - (Math.Atan2(size, pitch) / (Math.PI / 2) * (((inRow - 1) * rows) + ((rows - 1) * inRow)) / (rows * (double)inRow));
}
