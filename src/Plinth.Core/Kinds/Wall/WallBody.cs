using Plinth.Core.Contact;
using Plinth.Core.Figures;
using Plinth.Core.Ground;

namespace Plinth.Core.Kinds.Wall;

/// <summary>A metre of a wall and its base as a free body, by the same sums as its checks.</summary>
internal static class WallBody
{
    private const int Steps = 24;

    /// <summary>The forces in a combination; null where there is no equilibrium.</summary>
    public static WallForces? Of(WallTrial t, int k)
    {
        var (body, wall, b) = (t.Body, t.Columns[0], t.Body.Backing!);
        ref readonly var contact = ref body.Contact(k);
        if (contact.State == ContactState.NoEquilibrium)
        {
            return null;
        }

        var (length, fw) = (body.Length, t.Combinations[k].WeightFactor);
        ref readonly var a = ref wall.Action(k);
        var soil = b.Soil;
        var (heel, toe) = b.Over(k);
        var even = body.GroundLoad(k).SoilPerArea;
        List<WallForce> down = [new("reactions", a.N / length, wall.Y), new("base", fw * body.BaseWeight / length, 0)];
        void Add(string words, double force, double at)
        {
            if (Math.Abs(force) > 1e-9)
            {
                down.Add(new WallForce(words, force / length, at));
            }
        }

        Add("wall", fw * b.StemWeight, wall.Y);
        if (soil is null)
        {
            Add("soil", fw * body.GroundLoad(k).Soil, wall.Y * (-body.GroundLoad(k).Displaced / body.GroundLoad(k).Soil));
            Add("surcharge", t.Place.SurchargeFactors[k] * t.Ground.Surcharge * body.Area, 0);
        }
        else
        {
            var (heelAt, toeAt) = (soil.Side * (body.Width - b.Heel) / 2, -soil.Side * (body.Width - b.Toe) / 2);
            var beyond = even * wall.Support.SizeY * (length - wall.Support.SizeX);
            Add("soil on heel", fw * (even + heel) * b.Heel * length, heelAt);
            Add("soil on toe", fw * (even + toe) * b.Toe * length, toeAt);
            Add("soil past the wall's ends", fw * beyond, wall.Y);
            Add("surcharge on heel", b.Standing(k) * b.Heel * length, heelAt);
            Add("surcharge on toe", t.Place.SurchargeFactors[k] * t.Ground.Surcharge * b.Toe * length, toeAt);
        }

        List<WallForce> across = [];
        if (Math.Abs(a.Fy) > 1e-9)
        {
            across.Add(new WallForce("reactions", -(soil?.Side ?? 1) * a.Fy / length, wall.Arm));
        }

        if (b.Pressure is { } pressure && soil is not null)
        {
            var (f, wet, prop) = (t.Place.BehindFactors[k], t.Place.Waters[k] == WaterState.High, 0.0);
            foreach (var (load, words, factor) in (ReadOnlySpan<(RetainedLoad, string, double)>)[(RetainedLoad.Earth, "soil",
                f.EarthThrust), (RetainedLoad.Water, "water", f.Water), (RetainedLoad.Surcharge, "surcharge", f.SurchargeThrust)])
            {
                var thrust = pressure.Above(load, wet, soil.Height + body.Thickness);
                if (factor * thrust.Force > 1e-9)
                {
                    across.Add(new WallForce(words, factor * thrust.Force, thrust.Moment / thrust.Force));
                }

                prop += t.Foundation.Wall.Stem is { Propped: true, Height: { } high } ? factor * pressure.Prop(load, wet, high) : 0;
            }

            if (prop > 0)
            {
                var top = body.Thickness + t.Foundation.Wall.Stem!.Height!.Value;
                across.Add(new WallForce("prop", -prop * wall.Support.SizeX / length, top));
            }
        }

        var p = contact.Pressure;
        return new WallForces(down, across, Math.Max(0, p.Plane(0, body.LowY)), Math.Max(0, p.Plane(0, body.HighY)),
            body.Pushed(k).Force / length,
            body.WaterPush(k) / length, Stem(t, k), -a.Mx / length);
    }

    // Up the wall, by what the soil does above each height; at its foot with what the reactions bring.
    private static List<WallPoint> Stem(WallTrial t, int k)
    {
        if (t.Stem is not { Height: > 0 and var high } stem)
        {
            return [];
        }

        var points = new List<WallPoint>();
        var (foot, top) = (stem.AtBase(k, 1), stem.Pushed(k, 0));
        var (shear, moment) = (foot.Shear - (top.Thrust.Force - top.Prop), foot.Moment - (top.Thrust.Moment - (top.Prop * high)));
        var f = stem.Soil is null ? default : t.Place.BehindFactors[k];
        var wet = t.Place.Waters[k] == WaterState.High;
        for (var i = 0; i <= Steps; i++)
        {
            var up = high * i / Steps;
            var (thrust, prop) = stem.Pushed(k, up);
            var depth = (stem.Soil?.Height ?? 0) - up;
            var pressure = t.Body.Backing!.Pressure is { } soil
                ? (f.EarthThrust * soil.At(RetainedLoad.Earth, wet, depth)) + (f.Water * soil.At(RetainedLoad.Water, wet, depth))
                    + (f.SurchargeThrust * soil.At(RetainedLoad.Surcharge, wet, depth))
                : 0;
            points.Add(new WallPoint(up, pressure, shear + thrust.Force - prop, moment + thrust.Moment - (prop * (high - up))));
        }

        return points;
    }
}
