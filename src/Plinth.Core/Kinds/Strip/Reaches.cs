using Plinth.Core.Concrete;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Strip;

/// <summary>
/// How far what lies about a column, or in a bay, reaches from the columns' centres: how files write it, and how it is found.
/// </summary>
internal static class Reaches
{
    private const double Metric = 0.1;
    private const double Inch = 6 * 0.0254;

    /// <summary>What is found ends at whole steps from a column's centre, m: 100 mm, with bars by inches 6 in.</summary>
    /// <param name="steel">The steel, by whose bars a site measures.</param>
    public static double Step(SteelRules steel) => steel.Bars[0].IsUs ? Inch : Metric;

    /// <summary>Its field: one length towards both sides, or a pair.</summary>
    /// <param name="path">The keys.</param>
    /// <param name="example">What one may write.</param>
    /// <param name="get">The reaches of a design towards either side, m; null: nothing is there.</param>
    /// <param name="put">A design with others.</param>
    public static DesignField Field(string[] path, string example, Func<FoundationDesign, (double Low, double High)?> get,
        Func<FoundationDesign, double, double, FoundationDesign> put) => new(path, FieldForm.Widths)
        {
            Listed = false,
            Example = example,
            Get = d => get(d) is not { } own ? null
                : own.Low == own.High ? new FieldValue.Length(own.Low) : new FieldValue.Ends(own.Low, own.High),
            Put = (d, v) => v is FieldValue.Ends e ? put(d, e.Low, e.High)
                : put(d, ((FieldValue.Length)v).Metres, ((FieldValue.Length)v).Metres),
        };
}
