using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [site]: the boundary and the zones that no base may enter.</summary>
internal static class SiteReader
{
    public static Site Read(TableReader t, DiagnosticBag bag)
    {
        var boundary = t.Points("boundary", 3) ?? [];
        var zones = new List<KeepOut>();
        foreach (var zone in t.Each("keep-out"))
        {
            var name = zone.Text("name") ?? "";
            if (zone.Points("corners", 3) is { } corners)
            {
                zones.Add(new KeepOut(name, corners));
            }
            else if (!zone.Has("corners"))
            {
                zone.Missing("corners", "[[\"0 m\", \"0 m\"], [\"3 m\", \"0 m\"], [\"3 m\", \"2 m\"]]");
            }

            zone.Done();
        }

        var north = t.QuantityOrNull("north", Measure.Angle, Sign.Any);
        t.Done();
        foreach (var (corners, key) in zones.Select(z => (z.Corners, "keep-out")).Prepend((boundary, "boundary"))
            .Where(c => c.Item1.Count > 0))
        {
            if (Math.Abs(PlanPolygon.DoubleArea(corners)) < 1e-9)
            {
                bag.Error(t.PlaceOf(key), $"the corners of {key} lie on one line; they must go round an area");
            }
        }

        return new Site(boundary, zones) { NorthDegrees = north };
    }
}
