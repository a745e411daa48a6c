using System.Collections.Immutable;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;

namespace Plinth.Core.Kinds.Combined;

/// <summary>What of a design belongs to one column.</summary>
/// <param name="Band">Bottom bars across, within the column's band; of columns that share a band the first one's count.</param>
/// <param name="Pedestal">The pedestal; null: the column stands on the base.</param>
/// <param name="Dowels">Dowels into a concrete column; none where the joint is not designed.</param>
public sealed record ColumnDesign(BarSpec Band, Pedestal? Pedestal, BarSpec Dowels);

/// <summary>A base under several columns in force: a rectangle, or a trapezoid whose ends lie across its x.</summary>
/// <param name="Size">Length, width at the −x end, thickness.</param>
/// <param name="HighWidth">Width at the +x end, m.</param>
/// <param name="Offset">The place's origin, midway between first and last support, from the base's centroid, m.</param>
/// <param name="Along">Bottom bars along the whole base.</param>
/// <param name="AlongTop">Top bars along the whole base.</param>
/// <param name="AcrossTop">Top bars across.</param>
/// <param name="Rest">Bottom bars across, outside all bands.</param>
/// <param name="Columns">What belongs to each column, in order.</param>
public sealed record CombinedDesign(BaseSize Size, double HighWidth, PlanPoint Offset, BarSpec Along, BarSpec AlongTop, BarSpec AcrossTop, BarSpec Rest, ImmutableArray<ColumnDesign> Columns)
    : FoundationDesign(Size, Along, Rest, AlongTop, AcrossTop);
