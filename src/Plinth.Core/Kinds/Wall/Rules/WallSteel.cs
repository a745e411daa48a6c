using Plinth.Core.Bodies;
using Plinth.Core.Checks;
using Plinth.Core.Concrete;
using Plinth.Core.Concrete.Codes;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.Wall;

/// <summary>
/// Least steel of a concrete wall upright and level, the distances of its bars, their layers, and the development of its starters down into
/// the base and up in the wall, in which they reach to the top where it is lower than their lap.
/// </summary>
internal readonly struct WallSteel : ICheckRule<WallStem, Nothing>
{
    public static ReadOnlySpan<WallStem> Of(Trial trial) => ((WallTrial)trial).StemsChecked;

    public static Nothing Capacity(WallStem s) => default;

    public static Outcome Evaluate<T>(WallStem s, in Nothing capacity, int k, ref T trace)
        where T : struct, ITrace
    {
        if (s.Stated.Masonry)
        {
            return Outcome.NotDone;
        }

        trace.Heading("Least steel of the wall");
        var (t, layers) = (s.Thickness, s.Stated.Layers);
        var thickest = Math.Max(s.Bars.Soil.Size?.Diameter ?? 0, s.Bars.Free.Size?.Diameter ?? 0);
        var (upright, level) = s.Code.LeastWallSteel(ref trace, thickest, s.Bars.Level.Size?.Diameter ?? 0, s.Rules.Steel.Yield);
        var worst = (Used: 0.0, Words: "");
        var h = new Sym("h", t, Unit.Section);
        Look(upright * t, s.Upright, "upright steel", "ρl", upright, "As,upright", ref trace);
        Look(level * t, s.Level, "level steel", "ρt", level, "As,level", ref trace);
        if (layers == 2)
        {
            // Each face has its part: half of the least (11.7).
            Look(upright * t / 2, Math.Min(WallStem.PerMetre(s.Bars.Soil), WallStem.PerMetre(s.Bars.Free)), "upright steel of a face",
                "ρl/2", upright / 2, "As,face", ref trace);
        }

        var most = trace.Given("s,most", Math.Min(s.Code.MostWallSpacing(t), s.Rules.Steel.MostSpacing), Unit.Section,
            "greatest distance of the bars, by the code or [steel] spacing", s.Code.WallSteelClause);
        Apart(s.Bars.Soil, layers == 1 ? "upright bars" : "upright bars at " + SoilFace(s), most, ref trace);
        Apart(s.Bars.Free, "upright bars at " + FreeFace(s), most, ref trace);
        Apart(s.Bars.Level, "level bars", most, ref trace);
        if (layers == 1 && s.Soil is null && t > s.Code.TwoLayersFrom + 1e-9)
        {
            trace.Note("so thick a wall has its bars in two layers (11.7.2.3): write stem.layers = 2");
            Take(2, "layers");
        }

        Developed(s, s.Bars.Soil, layers == 1 ? "Starters" : "Starters at " + SoilFace(s), ref trace);
        Developed(s, s.Bars.Free, "Starters at " + FreeFace(s), ref trace);
        if (T.Notes && worst.Words.Length > 0 && worst.Used > 1)
        {
            trace.Note(worst.Words);
        }

        trace.Given("utilisation", worst.Used, Unit.Ratio, "the greatest of them: " + worst.Words);
        return new Outcome { Done = true, Demand = worst.Used, Capacity = 1, Utilisation = worst.Used };

        void Take(double used, string words) => worst = used > worst.Used ? (used, words) : worst;

        void Look(double least, double area, string words, string symbol, double ratio, string of, ref T trace)
        {
            var used = area > 0 ? least / area : Outcome.NoCapacity;
            if (T.Records && area > 0)
            {
                var strip = Sym.Strip(s.Units);
                trace.Let(words, used, Unit.Ratio,
                    $"{new Sym(symbol, ratio, Unit.Ratio)}·{h}·{strip}/{new Sym(of, area * strip.Value, Unit.SteelArea)}");
            }

            Take(used, words);
        }

        void Apart(BarSpec bars, string words, double most, ref T trace)
        {
            if (bars.Size is not { } size)
            {
                return;
            }

            var wide = bars.Spacing / most;
            var least = Math.Max(s.Rules.Steel.LeastSpacing, s.Code.LeastClear(size.Diameter, s.Rules.Concrete.Aggregate) + size.Diameter);
            var close = least / bars.Spacing;
            if (T.Records)
            {
                var own = new Sym("s", bars.Spacing, Unit.Section);
                trace.Let("distance of " + words, Math.Max(wide, close), Unit.Ratio,
                    $"max({own}/{new Sym("s,most", most, Unit.Section)}; {new Sym("s,least", least, Unit.Section)}/{own})");
            }

            Take(Math.Max(wide, close), "distance of " + words);
        }

        void Developed(WallStem s, BarSpec bars, string heading, ref T trace)
        {
            if (bars.Size is not { } size)
            {
                return;
            }

            trace.Heading(heading);
            var rules = s.Rules;
            var trial = (WallTrial)s.Trial;
            var mat = trial.Spans(false)[0].Layer(true).Diameter + trial.Spans(true)[0].Layer(true).Diameter;
            var below = trial.Body.Thickness - rules.Concrete.CoverBottom - mat;
            Within("hook in the base", "ldh", s.Code.HookedDevelopment(ref trace, rules.Concrete, new DevelopedBar(size, rules.Steel.Yield,
                bars.Spacing, rules.Concrete.CoverBottom + (size.Diameter / 2), rules.Concrete.CoverSide + (size.Diameter / 2), 0)), below,
                "development of the starters in the base", ref trace);
            var cover = s.Cover + (size.Diameter / 2);
            Within("length in the wall", "ld", s.Code.StraightDevelopment(ref trace, s.Concrete, new DevelopedBar(size, rules.Steel.Yield,
                bars.Spacing, cover, cover, 0)), s.Height - s.Cover, "development of the starters in the wall", ref trace);
        }

        void Within(string name, string symbol, double needed, double there, string words, ref T trace)
        {
            if (there > 0)
            {
                trace.Let(name, needed / there, Unit.Ratio,
                    $"{new Sym(symbol, needed, Unit.Section)}/{new Sym("there", there, Unit.Section)}");
            }

            Take(there > 0 ? needed / there : Outcome.NoCapacity, words);
        }
    }

    private static string SoilFace(WallStem s) => s.Soil is null ? "the +y face" : "the soil's face";

    private static string FreeFace(WallStem s) => s.Soil is null ? "the −y face" : "the other face";
}
