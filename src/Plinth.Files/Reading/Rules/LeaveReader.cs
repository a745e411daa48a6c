using Plinth.Core.Checks;
using Plinth.Core.Foundations;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Reading;

/// <summary>Reads [[waive]] and [[accept]]: checks that the engineer leaves out, or lets exceed, with the reason.</summary>
internal sealed class LeaveReader(DiagnosticBag bag)
{
    private readonly List<(Leave Leave, FilePlace Place)> leaves = [];

    /// <summary>Reads the tables.</summary>
    public void Read(IReadOnlyList<TableReader> waived, IReadOnlyList<TableReader> accepted)
    {
        foreach (var t in waived)
        {
            One(t, t.Texts("marks") is { } marks ? [.. marks.Select(m => m.Text)] : t.Has("marks") ? [] : ["*"], null);
        }

        foreach (var t in accepted)
        {
            var upTo = t.NumberOrNull("upto", Sign.Positive);
            if (upTo is null && !t.Has("upto"))
            {
                t.Missing("upto", "1.04");
            }
            else if (upTo <= 1)
            {
                t.Fault("upto", "upto is the utilisation up to which the check is accepted, above 1");
            }

            var mark = t.Text("mark");
            if (mark is null && !t.Has("mark"))
            {
                t.Missing("mark", "\"F12\"");
            }

            One(t, mark is null ? [] : [mark], upTo ?? 1);
        }
    }

    /// <summary>Gives the foundations their leaves; one that names no foundation is an error.</summary>
    public List<Foundation> Apply(IReadOnlyList<Foundation> foundations)
    {
        foreach (var (leave, place) in leaves)
        {
            if (!foundations.Any(f => Pattern.Names(leave.Mark, f)))
            {
                var near = Nearest.Of(leave.Mark, foundations.Select(f => f.Mark));
                bag.Error(place, $"no foundation has the mark \"{leave.Mark}\"" + (near is null ? "" : $"; did you mean \"{near}\"?"));
            }
        }

        return leaves.Count == 0
            ? [.. foundations]
            : [
                .. foundations.Select(
                    f => f with { Leaves = [.. leaves.Select(l => l.Leave).Where(l => Pattern.Names(l.Mark, f))] })];
    }

    private void One(TableReader t, IReadOnlyList<string> marks, double? upTo)
    {
        var check = t.Text("check");
        var why = t.Text("why")?.Trim();
        if (check is null && !t.Has("check"))
        {
            t.Missing("check", "\"sliding\"");
        }
        else if (check is not null && CheckCatalog.Find(check) is null)
        {
            var near = Nearest.Of(check, CheckCatalog.Listed.Select(c => c.Id));
            t.Fault("check",
                $"there is no check \"{check}\"; "
                    + (near is null
                        ? $"checks are {string.Join(", ", CheckCatalog.Listed.Select(c => c.Id))}"
                        : $"did you mean \"{near}\"?"));
            check = null;
        }
        else if (check is "equilibrium" or "boundary")
        {
            t.Fault("check",
                $"{check} can be neither waived nor accepted: "
                    + (check == "equilibrium"
                        ? "a base that tips has no pressures that the other checks could use"
                        : "mend [site], or hold an edge"));
            check = null;
        }

        if (string.IsNullOrEmpty(why))
        {
            if (t.Has("why"))
            {
                t.Fault("why", "why is empty; say the reason: every output repeats it");
            }
            else
            {
                t.Missing("why", "\"held by the ground slab, see note 3\"");
            }
        }

        if (check is not null && !string.IsNullOrEmpty(why))
        {
            leaves.AddRange(marks.Select(m => (new Leave(check, m, upTo, why), t.Place)));
        }

        t.Done();
    }
}
