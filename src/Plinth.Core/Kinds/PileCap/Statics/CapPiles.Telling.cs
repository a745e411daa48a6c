using System.Globalization;
using Plinth.Core.Bodies;
using Plinth.Core.Checks.OfConcrete;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Kinds.PileCap;

/// <content>What is told of the loads of the piles.</content>
internal sealed partial class CapPiles
{
    /// <inheritdoc/>
    public override void TellWithin<T>(int k, in PunchingSection section, ref T trace)
    {
        foreach (var p in trial.Piles)
        {
            var inside = 1 - ShareOutside(Outside(section, p.X, p.Y));
            if (inside > 0)
            {
                trace.Given($"R[{p.Number}]", Force(k, p.Index), Unit.Force, $"of {p.Name}");
                trace.Given($"share[{p.Number}]", inside, Unit.Ratio,
                    "of it within the section: whole from half its size inside, none from half its size outside",
                    trial.Code.PileShareClause);
            }
        }
    }

    /// <inheritdoc/>
    public override void Tell<T>(int k, in BaseLoads l, ref T trace)
    {
        trace.Heading("Piles: R = ΣN/n + b·x + c·y");
        var (n, p) = (new Sym("ΣN", l.N, Unit.Force), Carried(k, l));
        trace.Given("xp", centroid.X, Unit.Length, "centroid of the piles from the cap's");
        trace.Given("yp", centroid.Y, Unit.Length, "the same along y");
        var (headX, headY) = (HeadArm * l.Fx, HeadArm * l.Fy);
        if (trial.PileRules.FixedHead)
        {
            trace.Given("Mhead,x", headX, Unit.Moment, "of the shafts at their fixed heads, by ΣFx");
            trace.Given("Mhead,y", headY, Unit.Moment, "the same by ΣFy");
            trace.Let("X", p.X, Unit.Moment,
                $"{new Sym("ΣMy", l.My, Unit.Moment)} − {n}·{new Sym("xp", centroid.X, Unit.Length)} + "
                    + $"{new Sym("Mhead,x", headX, Unit.Moment)}");
            trace.Let("Y", p.Y, Unit.Moment,
                $"−{new Sym("ΣMx", l.Mx, Unit.Moment)} − {n}·{new Sym("yp", centroid.Y, Unit.Length)} + "
                    + $"{new Sym("Mhead,y", headY, Unit.Moment)}");
        }
        else
        {
            trace.Let("X", p.X, Unit.Moment, $"{new Sym("ΣMy", l.My, Unit.Moment)} − {n}·{new Sym("xp", centroid.X, Unit.Length)}");
            trace.Let("Y", p.Y, Unit.Moment, $"−{new Sym("ΣMx", l.Mx, Unit.Moment)} − {n}·{new Sym("yp", centroid.Y, Unit.Length)}");
        }

        var (b, c) = (default(Sym), default(Sym));
        if (group.Rank == 2)
        {
            var (xx, yy, xy) = (new Sym("Σx²", group.SumXX, Unit.Area), new Sym("Σy²", group.SumYY, Unit.Area),
                new Sym("Σxy", group.SumXY, Unit.Area));
            trace.Given("Σx²", group.SumXX, Unit.Area, "of the piles about their centroid");
            trace.Given("Σy²", group.SumYY, Unit.Area, "the same along y");
            trace.Given("Σxy", group.SumXY, Unit.Area, "the same of both");
            var determinant = (group.SumXX * group.SumYY) - (group.SumXY * group.SumXY);
            b = new Sym("b", ((p.X * group.SumYY) - (p.Y * group.SumXY)) / determinant, Unit.LineLoad);
            c = new Sym("c", ((p.Y * group.SumXX) - (p.X * group.SumXY)) / determinant, Unit.LineLoad);
            var (x, y) = (new Sym("X", p.X, Unit.Moment), new Sym("Y", p.Y, Unit.Moment));
            trace.Let("b", b.Value, b.Unit, $"({x}·{yy} − {y}·{xy})/({xx}·{yy} − {xy}^2)");
            trace.Let("c", c.Value, c.Unit, $"({y}·{xx} − {x}·{xy})/({xx}·{yy} − {xy}^2)");
        }
        else
        {
            TellLeft(p, ref trace);
        }

        foreach (var pile in trial.Piles)
        {
            var at = group.At(pile.Index);
            var (symbol, force) = ($"R[{pile.Number}]", group.Force(pile.Index, p.N, p.X, p.Y));
            if (group.Rank == 2)
            {
                trace.Let(symbol, force, Unit.Force,
                    $"{n}/{new Sym("n", group.Count, Unit.Ratio)} + {b}·{new Sym($"x[{pile.Number}]", at.X, Unit.Length)} + {c}·"
                        + $"{new Sym($"y[{pile.Number}]", at.Y, Unit.Length)}");
            }
            else
            {
                trace.Given(symbol, force, Unit.Force,
                    group.Rank == 0 ? "the one pile carries all" : "ΣN/n, and the moment along the row by its distance from the middle");
            }
        }

        if (Deviation > 0)
        {
            trace.Given("δ", Deviation, Unit.Length,
                "by which the piles' centroid may lie out of place, in any direction"
                    + (group.Count > 3 ? ": [piles] deviation over √n" : ": [piles] deviation"));
        }
    }

    private void TellLeft<T>(in PileLoads p, ref T trace)
        where T : struct, ITrace
    {
        trace.Given("Mleft,x", p.Left.X, Unit.Moment, "of X, that axial forces cannot take");
        trace.Given("Mleft,y", p.Left.Y, Unit.Moment, "of Y, that axial forces cannot take");
        trace.Remark(trial.PileRules.FixedHead
            ? "The fixed heads of the piles take it, shared evenly; their shafts bend."
            : "Tie beams must take it with ΣN·δ; their sections are not checked.");
    }

    /// <summary>What is said of moments that the piles cannot take; null: they take all.</summary>
    public string? Left(int k)
    {
        if (group.Rank == 2)
        {
            return null;
        }

        var (p, units) = (Loads(k), trial.Units);
        var off = Math.Abs(p.N) * Deviation;
        var (mx, my) = group.Rank == 0
            ? (Math.Abs(p.Left.X) + off, Math.Abs(p.Left.Y) + off)
            : (Math.Abs(p.Left.X) + (off * Math.Abs(group.Line.Y)), Math.Abs(p.Left.Y) + (off * Math.Abs(group.Line.X)));
        var moments = string.Join(" and ",
            new[] { (mx, "x"), (my, "y") }.Where(m => m.Item1 > Nil * Math.Max(1, Math.Abs(p.N)))
                .Select(m => $"{Unit.Moment.FormatWithSymbol(m.Item1, units)} along {m.Item2}"));
        if (!p.Held)
        {
            var (x, y) = Needs(k, p.N, p.Left);
            return $"{(group.Rank == 0 ? "one pile" : "piles on one line")} cannot take "
                + $"{(moments.Length > 0 ? moments : "a moment about the vertical")}, {Unit.Length.FormatWithSymbol(Deviation, units)} out "
                + $"of place included: give piles.tie-beams = \"{(x && y ? "both" : x ? "x" : "y")}\", piles.head = \"fixed\", or a layout "
                + "of more rows";
        }

        return trial.PileRules.FixedHead ? $"the shafts take {moments}"
            : string.Create(CultureInfo.InvariantCulture,
                $"tie beams take {moments}, and {Unit.Force.FormatWithSymbol(TieForce * Math.Abs(p.N), units)} along them; their sections "
                    + $"are not checked");
    }
}
