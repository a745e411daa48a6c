using Plinth.Core.Loads;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;

namespace Plinth.Files.Import;

/// <summary>Takes reactions in the model's axes, turns them into the project's, adds them up, and writes them.</summary>
internal sealed class ReactionsSink
{
    private readonly TextWriter? output;
    private readonly bool negate;
    private readonly bool projectAsReaction;
    private readonly (int From, int Sign)[] map = new (int, int)[6];
    private readonly ReadUnit[] units = new ReadUnit[6];
    private readonly List<(string Label, string Cell, (double X, double Y, double Z)? Position)> supports = [];
    private readonly List<ulong[]> seen = [];
    private readonly List<(string Cell, int Supports, LoadTotals Totals)> cases = [];
    private readonly char[] buffer = new char[256];
    private readonly DiagnosticBag bag;

    /// <summary>Makes the sink and writes the header.</summary>
    /// <param name="spec">What the import says.</param>
    /// <param name="columns">Unit of each component of the model; null: the table does not have it.</param>
    /// <param name="projectAsReaction">Whether reactions.csv holds reactions, or actions.</param>
    /// <param name="output">Receives reactions.csv; null: only totals are wanted.</param>
    /// <param name="bag">Receives what is wrong.</param>
    public ReactionsSink(ImportSpec spec, (ReadUnit Unit, string Text)?[] columns, bool projectAsReaction, TextWriter? output,
        DiagnosticBag bag)
    {
        (this.output, this.projectAsReaction, this.bag, negate) = (output, projectAsReaction, bag, spec.AsReaction != projectAsReaction);
        output?.Write("support,case");
        for (var i = 0; i < 6; i++)
        {
            var (axis, sign) = spec.Axes[i % 3];
            var from = axis + (i < 3 ? 0 : 3);
            map[i] = columns[from] is null ? (-1, 0) : (from, sign);
            if (columns[from] is { } unit)
            {
                units[i] = unit.Unit;
                output?.Write($",{ImportSpec.Components[i]} ({unit.Text})");
            }
        }

        output?.Write('\n');
    }

    /// <summary>Rows taken.</summary>
    public int Rows { get; private set; }

    /// <summary>The supports met.</summary>
    public IReadOnlyList<(string Label, string Cell, (double X, double Y, double Z)? Position)> Supports => supports;

    /// <summary>Totals by case, in the order of the case map.</summary>
    public IReadOnlyList<(string Cell, int Supports, LoadTotals Totals)> Cases => cases;

    /// <summary>Adds a support.</summary>
    /// <returns>Its index.</returns>
    public int AddSupport(string label, (double X, double Y, double Z)? position)
    {
        supports.Add((label, RawText.Cell(label), position));
        seen.Add(new ulong[1]);
        return supports.Count - 1;
    }

    /// <summary>Takes a row.</summary>
    /// <param name="support">Index of the support.</param>
    /// <param name="k">Index of the case.</param>
    /// <param name="caseNames">The names of the cases met.</param>
    /// <param name="model">Components in the model's axes.</param>
    /// <param name="place">Where it stands, for messages.</param>
    public void Take(int support, int k, IReadOnlyList<string> caseNames, ReadOnlySpan<RawNumber> model, Func<FilePlace> place)
    {
        while (cases.Count <= k)
        {
            cases.Add((RawText.Cell(caseNames[cases.Count]), 0, default));
        }

        if (!First(support, k))
        {
            bag.Error(place(),
                $"support \"{supports[support].Label}\" has case \"{caseNames[k]}\" twice; if these are steps, name their column in "
                    + "columns.step, else delete one");
            return;
        }

        Span<double> v = stackalloc double[6];
        var at = 0;
        if (output is not null)
        {
            output.Write(supports[support].Cell);
            buffer[at++] = ',';
            cases[k].Cell.AsSpan().CopyTo(buffer.AsSpan(at, Math.Min(cases[k].Cell.Length, 60)));
            if (cases[k].Cell.Length > 60)
            {
                output.Write(',');
                output.Write(cases[k].Cell);
                at = 0;
            }
            else
            {
                at += cases[k].Cell.Length;
            }
        }

        for (var i = 0; i < 6; i++)
        {
            var (from, sign) = map[i];
            if (from < 0)
            {
                continue;
            }

            var n = (sign < 0) != negate ? model[from].Negated : model[from];
            v[i] = units[i].ToBase(n.Value);
            if (output is not null)
            {
                buffer[at++] = ',';
                at += n.Write(buffer.AsSpan(at));
            }
        }

        if (output is not null)
        {
            buffer[at++] = '\n';
            output.Write(buffer, 0, at);
        }

        var action = projectAsReaction
            ? SupportAction.FromReaction(v[0], v[1], v[2], v[3], v[4], v[5])
            : SupportAction.FromAction(v[0], v[1], v[2], v[3], v[4], v[5]);
        var (x, y, z) = supports[support].Position ?? default;
        var c = cases[k];
        cases[k] = (c.Cell, c.Supports + 1, c.Totals.Plus(action, x, y, z));
        Rows++;
    }

    private bool First(int support, int k)
    {
        var bits = seen[support];
        if (k >> 6 >= bits.Length)
        {
            Array.Resize(ref bits, Math.Max(2 * bits.Length, (k >> 6) + 1));
            seen[support] = bits;
        }

        var mask = 1UL << (k & 63);
        var first = (bits[k >> 6] & mask) == 0;
        bits[k >> 6] |= mask;
        return first;
    }
}
