namespace Plinth.Core.Schedules;

/// <summary>Stated factors of embodied carbon; what is null is not stated and not counted.</summary>
/// <param name="Concrete">kg CO2e per m3 of structural concrete.</param>
/// <param name="Blinding">kg CO2e per m3 of blinding.</param>
/// <param name="Steel">kg CO2e per kg of reinforcement.</param>
public sealed record CarbonFactors(double? Concrete = null, double? Blinding = null, double? Steel = null)
{
    /// <summary>Whether any is stated.</summary>
    public bool Any => Concrete is not null || Blinding is not null || Steel is not null;

    /// <summary>Embodied carbon of quantities by the factors stated, kg CO2e.</summary>
    public double Of(in Quantities q) => ((Concrete ?? 0) * q.Concrete) + ((Blinding ?? 0) * q.Blinding) + ((Steel ?? 0) * q.Steel);
}
