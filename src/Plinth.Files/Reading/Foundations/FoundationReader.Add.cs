using Plinth.Core.Buildings;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Ground;
using Plinth.Core.Kinds;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <content>A foundation where it stands, on the ground that is there.</content>
internal sealed partial class FoundationReader
{
    private void Add(string mark, FoundationKind kind, IReadOnlyList<WrittenPlace> written, bool alike, HeldValues held, RuleSet own,
        string? ground, TableReader? overGround, FilePlace place, double? angle = null, IReadOnlyList<PlanLoad>? loads = null,
        TableReader? overPiles = null, WallRules? wall = null, string? grid = null)
    {
        if (byMark.TryGetValue(mark, out var other))
        {
            bag.Error(place, $"mark \"{mark}\" stands twice: also at {other.Place}; marks must differ");
            return;
        }

        if (Code is { } code && !kind.Knows(code))
        {
            bag.Error(place, $"foundation {mark}: checks of a {kind.Title} by {code.Name} are not built in this version; give it by "
                + "another [project] code in a project of its own, or found its columns one by one");
            return;
        }

        var places = new List<Place>();
        GroundRules? first = null;
        foreach (var (labels, lie) in written)
        {
            var stand = new List<Support>();
            string? groundName = null;
            foreach (var label in labels)
            {
                if (!supports.TryGetValue(label, out var support))
                {
                    var near = Nearest.Of(label, supports.Keys);
                    bag.Error(place,
                        $"foundation {mark}: support \"{label}\" does not stand in supports.csv"
                            + (near is null ? "" : $"; did you mean \"{near}\"?"));
                    return;
                }

                if (!taken.TryAdd(label, (mark, place)) && !(grid is not null && taken[label].Place == place))
                {
                    bag.Error(place,
                        $"support \"{label}\" belongs to {mark} here and to {taken[label].Mark} at {taken[label].Place}; a support has one "
                            + "foundation: delete one");
                    return;
                }

                var here = ground ?? GroundOf(support);
                if (groundName is not null && groundName != here && !kind.OnSprings)
                {
                    Differ(label, here);
                    return;
                }

                groundName ??= here;
                stand.Add(wall is { IsMasonry: true } ? support.Support with { IsMasonryWall = true } : support.Support);
            }

            var basis = grounds.TryGetValue(groundName!, out var named) ? named.Rules : rules.Ground;
            var values = overGround is null ? basis : GroundReader.Read(overGround.Inner("ground"), basis, basis.Name);
            first ??= values;
            var along = Math.Atan2(stand[^1].Y - stand[0].Y, stand[^1].X - stand[0].X) * 180 / Math.PI;
            var standing = new Place(stand, stand.Count > 1 ? Math.Round(along, 9) : angle ?? stand[0].AngleDegrees, values)
            {
                Along = kind.OnSprings && ground is null ? Crossed() : [],
            };
            string Beneath(Support s) => GroundAlong.At(standing, new PlanPoint(s.X, s.Y)).Name;
            if (kind.OnSprings && ground is null && stand.Find(s => GroundOf(supports[s.Label]) != Beneath(s)) is { } apart)
            {
                // A column may be named to stand on other ground than its place in plan says.
                Differ(apart.Label, GroundOf(supports[apart.Label]));
                return;
            }

            places.Add(standing.Lying(lie));

            void Differ(string label, string here) => bag.Error(place,
                $"foundation {mark}: {labels[0]} stands on the ground \"{groundName}\" and {label} on \"{here}\"; name the one by "
                    + $"which their base is designed, for example ground = \"{(groundName!.Length > 0 ? groundName : here)}\"");

            // By area in plan; what stands first lies between them.
            List<GroundRules> Crossed()
            {
                var some = grounds.Where(g => g.Value.Rules.Area.Count > 0).Select(g => Over(g.Value.Rules)).ToList();
                return some.Count == 0 ? [] : [.. some, basis.Area.Count == 0 ? values : Over(rules.Ground)];
            }

            GroundRules Over(GroundRules own) => overGround is null ? own : GroundReader.Read(overGround.Inner("ground"), own, own.Name);
        }

        own = kind.RulesOf(own with { Ground = first!, Piles = PilesOf(overPiles, first!.Piles) });
        if (!kind.BearsOnGround && first!.Design is not null)
        {
            bag.Error(place, $"foundation {mark}: resistances of piles by EN 1997-1 7.6 are not built in this version; keep caps on piles "
                + "in a project with [ground] design = \"allowable\"");
        }
        else if (!kind.BearsOnGround && places.Find(p => !own.Piles.KnownIn(p.Ground)) is { } lacking && pilesMissing.Add(place))
        {
            var named = lacking.Ground.Name.Length > 0 ? $"grounds.{lacking.Ground.Name}" : "ground";
            bag.Error(place,
                $"foundation {mark}: give "
                    + (own.Piles.Size is null ? "piles.size, for example piles.size = \"450 mm\""
                        : "piles.compression, what one pile may carry, for example piles.compression = \"650 kN\", or "
                            + $"[[{named}.layer]] with undrained or shaft-factor, from which it is found")
                    + ", here or in [piles]");
        }

        if (loads is { Count: > 0 } && places.Exists(p => p.Lie.Mirrored))
        {
            bag.Error(place,
                $"foundation {mark}: a mirrored base cannot have loads beside its columns, which are given along the base's axes; give "
                    + "these places a mark of their own");
        }

        var foundation = new Foundation(mark, places, alike, held, own)
        { Loads = loads ?? [], Kind = kind, Wall = wall ?? WallRules.Nothing };
        if (kind.FaultOfHeld(foundation) is { } fault)
        {
            bag.Error(place, $"foundation {mark}: {fault}");
        }

        byMark.Add(mark, (foundation, place));
    }
}
