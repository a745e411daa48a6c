using CsCheck;
using Plinth.Core.Units;
using Plinth.Files.Diagnostics;
using Plinth.Files.Tables;
using Plinth.Files.Toml;

namespace Plinth.Files.Tests;

/// <summary>Text in: tables and trees with places.</summary>
public class ReadingTests
{
    private static readonly CsvColumn[] Columns = [new("support", null, true), new("x", Measure.Length, true), new("note", null)];

    private static (List<(string Support, double X, int Line)> Rows, DiagnosticBag Bag) Read(string text)
    {
        var bag = new DiagnosticBag();
        var rows = new List<(string, double, int)>();
        using var table = CsvTable.Open(text, "t.csv", Columns, bag);
        while (table?.Next() ?? false)
        {
            rows.Add((table.Text(0).ToString(), table.Number(1, -1), table.Line));
        }

        return (rows, bag);
    }

    [Theory]
    [InlineData("support,x (m)\nA,1\nB,2\n")]
    [InlineData("support,x (m)\r\nA,1\r\nB,2")]
    [InlineData("x (mm),support\n1000,A\n2000,B\n\n")]
    [InlineData("\"support\",\"x (m)\"\n\"A\",\"1\"\n\n  \nB,2\n")]
    [InlineData("SUPPORT, X (m) ,note\nA, 1 ,\"a, b\"\nB,2,\n")]
    public void Tables_as_people_write_them(string text)
    {
        var (rows, bag) = Read(text);
        bag.HasErrors.Should().BeFalse(string.Join('\n', bag.Sorted));
        rows.Select(r => (r.Support, r.X)).Should().Equal(("A", 1.0), ("B", 2.0));
    }

    [Fact]
    public void Lines_count_over_quoted_line_ends()
    {
        var (rows, _) = Read("support,x (m),note\nA,1,\"two\nlines\"\nB,2,\n");
        rows.Select(r => r.Line).Should().Equal(2, 4);
    }

    [Fact]
    public void Columns_count_over_quoted_delimiters()
    {
        var (_, bag) = Read("support,note,x (m)\nA,\"a, b\",far\n");
        bag.Sorted.Single().ToString().Should().StartWith("t.csv:2:10: error: x \"far\" is not a number");
    }

    [Fact]
    public void An_unknown_column_is_a_warning_with_the_nearest_known()
    {
        var (_, bag) = Read("support,x (m),nte\nA,1,z\n");
        bag.HasErrors.Should().BeFalse();
        bag.Sorted.Single().ToString().Should().Be("t.csv:1:15: warning: column \"nte\" is not known and not read; did you mean \"note\"?");
    }

    [Fact]
    public void An_open_quote_is_an_error_not_an_exception()
    {
        var (_, bag) = Read("support,x (m)\nA,1\n\"B,2\n");
        bag.Sorted.Should().NotBeEmpty();
    }

    [Fact]
    public void No_text_breaks_the_csv_reader() =>
        Gen.String[Gen.Char["support,x (m)\n\"'\t;01.e-"], 0, 200].Sample(s => { Read("support,x (m)\n" + s); }, iter: 3000);

    [Fact]
    public void No_text_breaks_the_toml_reader() =>
        Gen.String[Gen.Char["[]{}=\"'.#\nab1 ,-"], 0, 120].Sample(s => { TomlTree.Parse(s, "t.toml", new DiagnosticBag()); }, iter: 5000);

    [Fact]
    public void Dotted_keys_tables_and_arrays_of_tables_make_one_tree()
    {
        var bag = new DiagnosticBag();
        var root = TomlTree.Parse("a.b = 1\n[c]\nd = { e = \"x\", f = [1, 2] }\n[[g]]\nh.i = true\n[[g]]\nh = 2\n[g.k]\nl = 3\n", "t.toml",
            bag)!;
        bag.Sorted.Should().BeEmpty();
        ((TomlTable)root["a"]!.Value!)["b"]!.Value.Should().Be(1.0);
        var g = (List<TomlNode>)root["g"]!.Value!;
        g.Should().HaveCount(2);
        ((TomlTable)((TomlTable)g[0].Value!)["h"]!.Value!)["i"]!.Value.Should().Be(true);
        ((TomlTable)((TomlTable)g[1].Value!)["k"]!.Value!)["l"]!.Place.Should().Be(new FilePlace("t.toml", 9, 5));
    }

    [Theory]
    [InlineData("bearing", "bering", true)]
    [InlineData("width", "wdth", true)]
    [InlineData("width", "colour", false)]
    public void Nearest_word(string known, string word, bool near) => (Nearest.Of(word, [known]) == known).Should().Be(near);

    [Fact]
    public void Diagnostics_stand_in_order_of_place_and_errors_are_never_cut_away()
    {
        var bag = new DiagnosticBag();
        for (var i = 300; i > 0; i--)
        {
            bag.Warning(new FilePlace("b.csv", i, 1), "w");
        }

        bag.Error(new FilePlace("c.csv", 1, 1), "e");
        bag.Error(new FilePlace("a.toml", 9, 1), "e");
        bag.Error(new FilePlace("a.toml", 2, 5), "e");
        var sorted = bag.Sorted;
        sorted.Take(2).Select(d => d.Place.Line).Should().Equal(2, 9);
        sorted.Should().Contain(d => d.Place.File == "c.csv");
        sorted[^1].Message.Should().Contain("more messages are not shown");
    }

    [Fact]
    public void A_file_is_written_whole_and_leaves_no_other()
    {
        var folder = Directory.CreateTempSubdirectory("plinth-write-").FullName;
        var path = Path.Combine(folder, "a.toml");
        TextFile.WriteAtomically(path, "one");
        TextFile.WriteAtomically(path, "two");
        File.ReadAllText(path).Should().Be("two");
        Directory.GetFiles(folder).Should().Equal(path);
        var writing = () => TextFile.WriteAtomically(Path.Combine(folder, "no/such/b.toml"), "x");
        writing.Should().Throw<DirectoryNotFoundException>();
        Directory.Delete(folder, true);
    }

    [Theory]
    [InlineData("=1+1", "'=1+1")]
    [InlineData("+A", "'+A")]
    [InlineData("@x", "'@x")]
    [InlineData("a,b", "\"a,b\"")]
    [InlineData("say \"b\"", "\"say \"\"b\"\"\"")]
    [InlineData("plain", "plain")]
    public void No_cell_becomes_a_formula(string value, string cell)
    {
        var csv = new CsvText();
        csv.Row(value, 1.5, 2);
        csv.ToString().Should().Be(cell + ",1.5,2\n");
    }
}
