using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds;

/// <summary>Fields that several kinds of foundation have in common.</summary>
internal static class SharedFields
{
    /// <summary>Thickness of the base.</summary>
    public static DesignField Thickness() => new("thickness", FieldForm.Length)
    {
        Required = true,
        Example = "\"2400 mm\"",
        Get = d => new FieldValue.Length(d.Size.Thickness),
        Put = (d, v) => d with { Size = d.Size with { Thickness = ((FieldValue.Length)v).Metres } },
        Held = (f, _) => f.Held.Thickness is { } stated ? new HeldField(new FieldValue.Length(stated), "thickness") : null,
    };

    /// <summary>Dowels and pedestal of a column.</summary>
    /// <param name="within">The path before their keys.</param>
    /// <param name="column">Which column.</param>
    /// <param name="put">A design with others.</param>
    public static DesignField[] Upright(IReadOnlyList<string> within, int column, Func<FoundationDesign, Upright, FoundationDesign> put) =>
    [
        new([.. within, "dowels"], FieldForm.Dowels)
        {
            Get = d => d.Under(column).Dowels is { Size: not null } bars ? new FieldValue.Bars(bars) : null,
            Put = (d, v) => put(d, d.Under(column) with { Dowels = ((FieldValue.Bars)v).Spec }),
            Held = (f, _) => f.Rules.Column.Dowels is { } stated ? new HeldField(new FieldValue.Bars(stated), "[column] dowels") : null,
        },
        new([.. within, "pedestal"], FieldForm.Pedestal)
        {
            Get = d => d.Under(column).Pedestal is { } p ? new FieldValue.Upright(p) : null,
            Put = (d, v) => put(d, d.Under(column) with { Pedestal = ((FieldValue.Upright)v).Of }),
        },
    ];
}
