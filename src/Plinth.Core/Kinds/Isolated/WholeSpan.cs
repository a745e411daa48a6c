using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;

namespace Plinth.Core.Kinds.Isolated;

/// <summary>A base over its whole breadth as it spans from both faces of its one column to its edges.</summary>
internal sealed class WholeSpan(Trial trial, bool alongX) : SlabSpan(trial, 0, null, alongX)
{
    /// <summary>Takes the sides of the body.</summary>
    public void Resize()
    {
        var (length, breadth) = AlongX ? (Body.Length, Body.Width) : (Body.Width, Body.Length);
        Set(length, breadth);
    }

    public override double Overhang(int side)
    {
        var column = Trial.Columns[0];
        var (at, face) = AlongX ? (column.X, column.Outline.X / 2) : (column.Y, column.Outline.Y / 2);
        return (Length / 2) - (side * at) - face;
    }

    public override bool IsStraight(int k, int side)
    {
        if (Body.PlacedLoads.Length > 0 || Body.RisingWeight(k) != 0)
        {
            return false;
        }

        var column = Trial.Columns[0];
        var (half, wide) = (Length / 2, Breadth / 2);
        var at = AlongX ? column.X + (side * column.Outline.X / 2) : column.Y + (side * column.Outline.Y / 2);
        var (from, to) = side > 0 ? (at, half) : (-half, at);
        var p = Body.Contact(k).Pressure;
        return AlongX ? p.BearsWholly(from, -wide, to, wide) : p.BearsWholly(-wide, from, wide, to);
    }

    public override double FaceSide(int side) => AlongX ? Trial.Columns[0].Outline.X : Trial.Columns[0].Outline.Y;

    public override bool PlainOnTop(int k) => Trial.Columns[0].Plain(k).OnTop;

    internal override SectionForces Beyond(int k, int side, double fromFace)
    {
        var column = Trial.Columns[0];
        var (at, face) = AlongX ? (column.X, column.Outline.X / 2) : (column.Y, column.Outline.Y / 2);
        return SectionForces.Of(Body, k, AlongX, side, at + (side * (face + fromFace)));
    }

    internal override void Tell<T>(in SectionForces forces, int k, bool up, bool moment, ref T trace) =>
        forces.Tell(this, k, up, moment, ref trace);
}
