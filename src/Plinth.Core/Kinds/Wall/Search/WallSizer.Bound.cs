using System.Collections.Immutable;
using Plinth.Core.Concrete;

namespace Plinth.Core.Kinds.Wall;

/// <content>What a base costs at least.</content>
internal sealed partial class WallSizer
{
    /// <summary>What no base of a thickness costs less than: concrete, digging, forms, and the steel that it cannot do without.</summary>
    private sealed class WallCostBound
    {
        // kg/m3.
        private const double SteelWeight = 7850;

        // Of the wall's steel that is surely there, as a share.
        private const double Starters = 0.98;

        private readonly WallSizer sizer;
        private readonly double narrow;
        private readonly double perWidth;
        private readonly double least;
        private readonly double rate;
        private readonly double thickness;
        private readonly bool asksShear;
        private readonly double perArea;
        private readonly double perAreaTop;
        private readonly double[] across;
        private readonly double deepest;
        private readonly double deepestTop;
        private readonly double shear;
        private readonly double shearTop;

        public WallCostBound(WallSizer sizer, double h, StemBars stem)
        {
            var rules = sizer.Foundation.Rules;
            var none = default(Tracing.NoTrace);
            (this.sizer, thickness) = (sizer, h);
            asksShear = !sizer.Foundation.Waives("one-way-shear-y");

            // All but the steel goes with the width; starters are a little shorter over the bars that the base gets.
            narrow = sizer.Bare(1, h, StemBars.None);
            perWidth = sizer.Bare(2, h, StemBars.None) - narrow;
            narrow += Starters * (sizer.Bare(1, h, stem) - narrow);
            least = sizer.Project.Code.MinimumSteelRatio(ref none, rules.Concrete, rules.Steel.Yield) * h;
            rate = SteelWeight * rules.Rates.Steel;
            var thinnest = rules.Steel.Bars.Min(b => b.Diameter) / 2;
            (deepest, deepestTop) = (h - rules.Concrete.CoverBottom - thinnest, h - rules.Concrete.CoverTop - thinnest);
            var densest = rules.Steel.Bars.Max(b => sizer.length / rules.Steel.LeastSpacing * b.Area) + rules.Steel.Bars.Max(b => b.Area);
            shear = Shear(deepest);
            shearTop = Math.Max(Shear(deepestTop),
                sizer.Project.Code.PlainThickness(h) is > 0 and var plain
                    ? sizer.Project.Code.PlainOneWayShear(ref none, rules.Concrete, sizer.length, plain)
                    : 0);
            double Shear(double depth)
            {
                var nothing = default(Tracing.NoTrace);
                return depth <= 0 ? 0 : sizer.Project.Code.OneWayShear(ref nothing, rules.Concrete, sizer.length, depth, densest);
            }

            (perArea, perAreaTop) = (PerArea(h - rules.Concrete.CoverBottom - thinnest), PerArea(h - rules.Concrete.CoverTop - thinnest));

            across = Areas(sizer.length);

            // Steel holds most for its area where there is little of it.
            double PerArea(double depth)
            {
                const double little = 1e-6;
                var nothing = default(Tracing.NoTrace);
                var code = sizer.Project.Code;
                return depth <= 0 ? 0
                    : code.Flexure(ref nothing, rules.Concrete, rules.Steel.Yield, little, sizer.length, depth).Strength / little;
            }
        }

        // Areas of all layers at whole spacings over a breadth, rising, m2.
        private double[] Areas(double breadth)
        {
            var (rules, areas) = (sizer.Foundation.Rules, new List<double>());
            var step = rules.Steel.SpacingStep!.Value;
            var most = Math.Min(rules.Steel.MostSpacing, sizer.Project.Code.MostSpacing(thickness));
            foreach (var size in rules.Steel.Bars)
            {
                for (var n = 1; n * step <= most + 1e-9; n++)
                {
                    areas.Add(new BarSpec(size, 0, n * step).Resolve(breadth, rules.Concrete.CoverSide).Area);
                }
            }

            areas.Sort();
            return [.. areas];
        }

        // The least area of a layer that is no less than what is needed; as it is where none is, or a layer is held.
        private static double Layer(double[] areas, double needed)
        {
            var at = Array.BinarySearch(areas, needed - 1e-12);
            at = at < 0 ? ~at : at;
            return at < areas.Length ? areas[at] : needed;
        }

        /// <summary>With the least steel in its bottom.</summary>
        public double Floor(double width) => narrow + (perWidth * (width - 1)) + (rate * least * (Along(width) + Across(width)));

        /// <summary>
        /// With the steel that the moments of the size that the trials hold ask for; infinite where no bars hold its shear.
        /// </summary>
        public double WithSteel(double width, ImmutableArray<WallTrial> trials)
        {
            var (bottom, top, stretched) = (0.0, 0.0, false);
            foreach (var t in trials)
            {
                stretched |= t.NeedsTopSteel;
                foreach (var k in t.CombinationsFor(Loads.Family.Concrete))
                {
                    if (t.Body.Contact(k).State == Contact.ContactState.NoEquilibrium)
                    {
                        continue;
                    }

                    foreach (var s in t.Spans(false))
                    {
                        for (var side = -1; side <= 1; side += 2)
                        {
                            // Neither the densest bars nor the greatest depth hold what shears it.
                            ref readonly var f = ref s.AtFace(k, side);
                            if (asksShear && (f.ShearDown > shearTop || s.Beyond(k, side, deepest).ShearUp > shear))
                            {
                                return double.PositiveInfinity;
                            }

                            (bottom, top) = (Math.Max(bottom, f.MomentUp), Math.Max(top, f.MomentDown));
                        }
                    }
                }
            }

            var (held, cover) = (sizer.Foundation.Held, sizer.Foundation.Rules.Concrete.CoverSide);
            if (width != alongFor)
            {
                (alongFor, along) = (width, Areas(width));
            }

            double Long(BarSpec? stated) => stated is null ? Layer(along, least * width) : stated.Resolve(width, cover).Area;
            double Wide(BarSpec? stated, double moment, double strength) => stated is null
                ? Layer(across, Math.Max(least * sizer.length, strength > 0 ? moment / strength : 0))
                : stated.Resolve(sizer.length, cover).Area;
            var (runX, runY) = (sizer.length - (2 * cover), width - (2 * cover));
            var steel = (Long(held.BottomX) * runX) + (Wide(held.BottomY, bottom, perArea) * runY);
            if (stretched && sizer.Foundation.Rules.Steel.TopSteel != TopSteel.None)
            {
                steel += (Long(held.TopX) * runX) + (Wide(held.TopY, top, perAreaTop) * runY);
            }

            return narrow + (perWidth * (width - 1)) + (rate * steel);
        }

        private double[] along = [];
        private double alongFor = double.NaN;

        // Plan areas over which bars of both ways run.
        private double Along(double width) => width * (sizer.length - (2 * sizer.Foundation.Rules.Concrete.CoverSide));

        private double Across(double width) => sizer.length * (width - (2 * sizer.Foundation.Rules.Concrete.CoverSide));
    }
}
