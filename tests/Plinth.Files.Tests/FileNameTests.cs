using CsCheck;

namespace Plinth.Files.Tests;

/// <summary>Labels as names of files.</summary>
public class FileNameTests
{
    [Fact]
    public void Labels_are_no_paths_and_none_takes_anothers_name() =>
        FileNames.Of(["F1", "../../etc", "a/b", "a_b", "f1", "..", "", "C 1;rm", "Ø7"])
            .Should().Equal("F1", "_.._etc", "a_b", "a_b-2", "f1-2", "_", "_-2", "C_1_rm", "_7");

    [Fact]
    public void Whatever_labels_say_names_are_safe_and_unique() => Gen.String.Array[1, 12].Sample(labels =>
    {
        var names = FileNames.Of(labels);
        names.Should().HaveCount(labels.Length);
        names.Select(n => n.ToLowerInvariant()).Should().OnlyHaveUniqueItems();
        names.Should().OnlyContain(n => n.Length > 0 && n[0] != '.' && n == Path.GetFileName(n)
            && n.All(c => char.IsAsciiLetterOrDigit(c) || c == '-' || c == '_' || c == '.'));
    });
}
