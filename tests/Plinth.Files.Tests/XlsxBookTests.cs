using System.IO.Compression;
using System.Xml.Linq;
using ExcelDataReader;
using Plinth.Core.Schedules;
using Plinth.Files.Diagnostics;
using Plinth.Files.Reading;
using Plinth.Files.Tables;

namespace Plinth.Files.Tests;

/// <summary>Workbooks that are written: read back by an independent reader, and their parts looked at.</summary>
public class XlsxBookTests
{
    // The reader asks for it even where it reads no old workbook.
    static XlsxBookTests() => System.Text.Encoding.RegisterProvider(System.Text.CodePagesEncodingProvider.Instance);

    private static (byte[] Book, IReadOnlyList<DataTable> Tables) Written(string label = "C1")
    {
        using var folder = new RawFolder();
        folder.With("plinth.toml",
            "[project]\nname = \"A & B <c>\"\nnumber = \"17\"\nclient = \"Nobody\"\ncode = \"aci318m-19\"\n"
                + "[loads]\nstandard = \"asce7-22\"\n[cases]\nDEAD = \"D\"\n[ground]\nfounding-depth = \"1.5 m\"\n"
                + "bearing = \"200 kPa\"\n[concrete]\nstrength = \"30 MPa\"\n[steel]\nyield = \"420 MPa\"\n[carbon]\n"
                + "concrete = 300\n")
            .With("supports.csv", $"support,x (m),y (m),cx (mm),cy (mm)\n{label},0,0,400,400\n")
            .With("reactions.csv", $"support,case,Fz (kN)\n{label},DEAD,500\n")
            .With("adopted.toml",
                $"[F1]\nkind = \"isolated\"\nsupports = [\"{label}\"]\nlength = \"2150 mm\"\nwidth = \"2000 mm\"\nthickness = \"450 mm\"\nbottom-x = {{ bars = \"11 T16\", ends = \"hooked\" }}\nbottom-y = \"11 T16\"\n");
        var bag = new DiagnosticBag();
        var loaded = ProjectReader.Read(folder.Path, bag);
        loaded.Should().NotBeNull(string.Join('\n', bag.Sorted));
        var project = loaded!.Project;
        var tables = ScheduleTables.Of(project, [.. project.Foundations.Select(f => (f, loaded.Design(f)!))]);
        using var stream = new MemoryStream();
        XlsxBook.Write(stream, project, tables);
        return (stream.ToArray(), tables);
    }

    [Fact]
    public void Every_cell_reads_back_as_it_was()
    {
        var (book, tables) = Written();
        using var reader = ExcelReaderFactory.CreateReader(new MemoryStream(book));
        foreach (var table in tables)
        {
            reader.Name.Should().Be(table.Name);
            var rows = new List<object?[]>();
            while (reader.Read())
            {
                rows.Add([.. Enumerable.Range(0, reader.FieldCount).Select(reader.GetValue)]);
            }

            rows[0][0].Should().Be(table.Title);
            var head = rows.FindIndex(r => (r[0] as string) == table.Columns[0].Heading);
            rows[head].Take(table.Columns.Count).Should().Equal(table.Columns.Select(c => c.Heading));
            for (var i = 0; i < table.Rows.Count; i++)
            {
                for (var c = 0; c < table.Columns.Count; c++)
                {
                    var (wrote, read) = (table.Rows[i][c], rows[head + 1 + i][c]);
                    if (wrote is string s)
                    {
                        read.Should().Be(s);
                    }
                    else if (wrote is not null)
                    {
                        Convert.ToDouble(read).Should().Be(Convert.ToDouble(wrote), "numbers are numbers, to the last digit");
                    }
                    else
                    {
                        read.Should().BeNull();
                    }
                }
            }

            reader.NextResult();
        }
    }

    [Fact]
    public void Headings_are_frozen_and_repeated_on_every_page()
    {
        var (book, _) = Written();
        using var zip = new ZipArchive(new MemoryStream(book));
        XNamespace x = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
        XElement Part(string name) => XElement.Load(zip.GetEntry(name)!.Open());
        var sheet = Part("xl/worksheets/sheet1.xml");
        var split = (int)sheet.Descendants(x + "pane").Single().Attribute("ySplit")!;
        var headed = sheet.Descendants(x + "row").ElementAt(split - 1);
        headed.Value.Should().StartWith("mark");
        Part("xl/workbook.xml").Descendants(x + "definedName").First().Value.Should().Be($"'Footings'!${split}:${split}");
        sheet.Descendants(x + "pageSetup").Single().Attribute("orientation")!.Value.Should().Be("landscape");
        sheet.Descendants(x + "oddFooter").Single().Value.Should().Contain("&P / &N");
    }

    [Fact]
    public void No_cell_is_a_formula_whatever_labels_say()
    {
        var (book, _) = Written("=1+2");
        using var zip = new ZipArchive(new MemoryStream(book));
        foreach (var entry in zip.Entries.Where(e => e.FullName.Contains("worksheets/sheet", StringComparison.Ordinal)))
        {
            var sheet = XElement.Load(entry.Open());
            XNamespace x = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
            sheet.Descendants(x + "f").Should().BeEmpty();
            sheet.Descendants(x + "c")
                .Where(c => c.Value.Contains("=1+2", StringComparison.Ordinal))
                .Should().OnlyContain(c => c.Attribute("t")!.Value == "inlineStr");
        }

        using var reader = ExcelReaderFactory.CreateReader(new MemoryStream(book));
        var found = false;
        while (reader.Read())
        {
            found |= reader.FieldCount > 1 && (reader.GetValue(1) as string) == "=1+2";
        }

        found.Should().BeTrue("the label stands there as text");
    }
}
