using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;

namespace Plinth.Core.Bodies;

/// <summary>What bends along x over a row of columns: with bars that run through, and with extra ones beside them.</summary>
internal interface IBarsAlong
{
    /// <summary>The body.</summary>
    GroundBody Body { get; }

    /// <summary>Where it begins, m.</summary>
    double Low { get; }

    /// <summary>Where it ends, m.</summary>
    double High { get; }

    /// <summary>The code's clause on ends of bars within its length: "9.7.3".</summary>
    string CutClause { get; }

    /// <summary>Zones of extra bars; null: there are none.</summary>
    ExtraZones? Extra { get; }

    /// <summary>The bars of a face that run through.</summary>
    ref readonly BarLayer Layer(bool bottom);

    /// <summary>Where they lie across, m, in order.</summary>
    IReadOnlyList<double> Across(bool bottom);

    /// <summary>Where extra bars may lie between them, m, in order: as many places as any zone may take.</summary>
    IReadOnlyList<double> Beside(bool bottom);

    /// <summary>Their effective depth, m.</summary>
    double Depth(bool bottom);

    /// <summary>Shear and moment in a section.</summary>
    LongSection Section(int k, double x);

    /// <summary>Sections at which flexure is looked at: faces, and where the shear passes through nil.</summary>
    ReadOnlySpan<LongSection> Sections(int k);

    /// <summary>The moment that stretches a face in a section, kNm; 0 or less: it does not.</summary>
    double Stretch(bool bottom, int k, in LongSection at);

    /// <summary>Flexural strength by an area of steel of a face, m2.</summary>
    FlexuralStrength Held<T>(bool bottom, double steel, ref T trace)
        where T : struct, ITrace;

    /// <summary>Sections at which shear is looked at whose strength goes by the bars there; none where stirrups carry it.</summary>
    ReadOnlySpan<BeamShearAt> ShearsByBars(int k);

    /// <summary>
    /// Strength in shear with an area of steel of a face and the stirrups in a section, kN; NaN: with those that stand farthest apart.
    /// </summary>
    double Sheared<T>(bool bottom, double steel, double x, ref T trace)
        where T : struct, ITrace;

    /// <summary>Straight development of bars of a face as near each other as they stand, m.</summary>
    double Straight<T>(bool bottom, ref T trace)
        where T : struct, ITrace;

    /// <summary>What the bars that run through need at the end of the base: straight, or by their hooks, m.</summary>
    double AtEnd<T>(bool bottom, ref T trace)
        where T : struct, ITrace;
}
