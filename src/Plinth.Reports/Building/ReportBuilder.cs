using Plinth.Reports.Documents;

namespace Plinth.Reports.Building;

/// <summary>Makes the calculation report of a building from its results and their traces.</summary>
public static class ReportBuilder
{
    // Footings are made side by side, so many at a time, and read in order.
    private const int Batch = 32;

    /// <summary>Makes the report.</summary>
    public static ReportDocument Of(ReportInput input)
    {
        ArgumentNullException.ThrowIfNull(input);
        var contents = new List<ContentsEntry>();
        foreach (var chapter in ReportInput.AllChapters.Where(input.Has))
        {
            contents.Add(new ContentsEntry(1, GeneralChapters.TitleOf(chapter), "c-" + chapter));
            if (chapter == "footings")
            {
                contents.AddRange(
                    input.Reports.Select((r, i) => new ContentsEntry(2, FootingChapter.TitleOf(r), AnchorOf(i),
                        r.Passes ? Tone.Plain : Tone.Fail, $"{r.Foundation.Mark}  {Core.Buildings.Wording.Supports(r.Foundation)}")));
            }
        }

        var title = input.Depth == ReportDepth.Summary ? "Foundation design: summary" : "Foundation design: calculations";
        return new ReportDocument(input.Project.Title, title, input.Revision, "plinth " + input.Version, input.Project.Units, contents,
            Blocks(input));
    }

    /// <summary>The anchor of a footing.</summary>
    internal static string AnchorOf(int index) => "f-" + (index + 1).ToString(System.Globalization.CultureInfo.InvariantCulture);

    private static IEnumerable<Block> Blocks(ReportInput input)
    {
        foreach (var chapter in ReportInput.AllChapters.Where(input.Has))
        {
            yield return new Heading(1, GeneralChapters.TitleOf(chapter), "c-" + chapter, chapter == "footings");
            foreach (var block in chapter switch
            {
                "basis" => GeneralChapters.Basis(input),
                "loads" => GeneralChapters.Loads(input),
                "results" => GeneralChapters.Results(input),
                "schedule" => GeneralChapters.Schedule(input),
                _ => Footings(input),
            })
            {
                yield return block;
            }
        }
    }

    private static IEnumerable<Block> Footings(ReportInput input)
    {
        for (var from = 0; from < input.Reports.Count; from += Batch)
        {
            var some = input.Reports.Skip(from).Take(Batch).ToList();
            var made = new IReadOnlyList<Block>[some.Count];
            Parallel.For(0, some.Count, i => made[i] = FootingChapter.Of(input, some[i], AnchorOf(from + i), from + i > 0));
            foreach (var block in made.SelectMany(m => m))
            {
                yield return block;
            }

            input.Progress?.Invoke(from + some.Count, input.Reports.Count);
        }
    }
}
