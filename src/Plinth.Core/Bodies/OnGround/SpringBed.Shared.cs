using Plinth.Core.Response;
using Plinth.Core.Tracing;
using Plinth.Core.Units;

namespace Plinth.Core.Bodies;

/// <content>What it shares with another where rows of a grid cross.</content>
public sealed partial class SpringBed
{
    private readonly Dictionary<int, SpringBeam> units = [];
    private SpringBeam? trying;

    // Where rows of a grid cross the ground under both is counted once.
    private IEnumerable<SharedStretch> Shared()
    {
        foreach (var crossing in body.Place.Row?.Crossings ?? [])
        {
            if (body.Place.Row!.ShareOf(crossing) is { } share)
            {
                var x = body.Columns[crossing.Column].X;
                yield return new SharedStretch(x - share.Low, x + share.High, share.Kept);
            }
        }
    }

    /// <summary>What it sinks under its columns in a combination with more force on them; false where it is in no equilibrium.</summary>
    /// <param name="k">The combination.</param>
    /// <param name="more">Force on each column beside its own, kN.</param>
    /// <param name="sinks">Settlement under each column, m.</param>
    internal bool Sinks(int k, ReadOnlySpan<double> more, Span<double> sinks)
    {
        var line = Lay(k, true);
        for (var i = 0; i < more.Length; i++)
        {
            loads[i] = loads[i] with { Force = loads[i].Force + more[i] };
        }

        trying = OfMesh(trying);
        return trying.Solve(loads, line) && Read(trying, sinks);
    }

    /// <summary>What it sinks under its columns in a combination as if the ground could pull, m; false where it has no stiffness.</summary>
    internal bool Pulled(int k, Span<double> sinks)
    {
        var line = Lay(k, true);
        trying = OfMesh(trying);
        return trying.Bend(loads, line) && Read(trying, sinks);
    }

    /// <summary>The same where one column presses by one kN alone.</summary>
    internal bool Yields(int column, Span<double> sinks)
    {
        var c = body.Columns[column];
        var unit = units[column] = new SpringBeam(Mesh);
        return unit.Bend([new BeamLoad(c.Face(true, -1), c.Face(true, 1), 1, 0, 0)], 0) && Read(unit, sinks);
    }

    /// <summary>What was <see cref="Pulled"/> last where columns that <see cref="Yields"/> knows press by more, kN.</summary>
    internal void Pressed(ReadOnlySpan<double> more, Span<double> sinks)
    {
        for (var i = 0; i < more.Length; i++)
        {
            if (more[i] != 0)
            {
                trying!.Add(units[i], more[i]);
            }
        }

        Read(trying!, sinks);
    }

    /// <summary>Whether what was <see cref="Pulled"/> and <see cref="Pressed"/> bears wholly: nothing pulls, and so it sinks.</summary>
    internal bool BearsWholly => trying!.BearsWholly();

    private bool Read(SpringBeam beam, Span<double> sinks)
    {
        for (var i = 0; i < sinks.Length; i++)
        {
            sinks[i] = beam.Settlement(body.Columns[i].X);
        }

        return true;
    }

    private void TellShared<T>(ref T trace)
        where T : struct, ITrace
    {
        foreach (var crossing in body.Place.Row?.Crossings ?? [])
        {
            if (body.Place.Row!.ShareOf(crossing) is { } share)
            {
                var (c, other) = (body.Columns[crossing.Column], Grids.GridRow.MarkOf(body.Place.Row.Grid, crossing.Other));
                trace.Given(BaseLoadCase.Of("κ", c), share.Kept, Unit.Ratio,
                    $"of the springs are its own from x = {Unit.Length.Format(c.X - share.Low, body.Units)} to "
                        + $"{Unit.Length.FormatWithSymbol(c.X + share.High, body.Units)}, where {other} covers the same ground");
            }
        }
    }
}
