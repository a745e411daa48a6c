using Plinth.Core.Foundations;

namespace Plinth.Core.Schedules;

/// <summary>What a base is made of and dug for, without what stands on it.</summary>
/// <param name="Concrete">m3.</param>
/// <param name="Formwork">m2.</param>
/// <param name="Dug">Plan area that is dug out, m2.</param>
/// <param name="Blinded">Plan area that stands on blinding, m2.</param>
/// <param name="BlindedWith">The same with what of the blinding reaches beyond, by how far, m2.</param>
public readonly record struct BaseQuantities(double Concrete, double Formwork, double Dug, double Blinded, Func<double, double> BlindedWith)
{
    /// <summary>Area of a design with its edges moved outwards.</summary>
    internal static Func<double, double> With(FoundationDesign design) => design.AreaWith;
}
