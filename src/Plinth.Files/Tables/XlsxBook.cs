using System.Globalization;
using DocumentFormat.OpenXml;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Spreadsheet;
using Plinth.Core.Buildings;
using Plinth.Core.Schedules;
using Plinth.Shared;
using TableColumn = Plinth.Core.Schedules.TableColumn;

namespace Plinth.Files.Tables;

/// <summary>
/// Writes tables as a workbook (ISO/IEC 29500): a sheet each with title block, frozen heading and print set-up. Texts are texts: no cell
/// holds a formula.
/// </summary>
public static class XlsxBook
{
    private const uint Plain = 0;
    private const uint TitleStyle = 1;
    private const uint HeadStyle = 2;
    private const uint NoteStyle = 3;
    private const uint TextStyle = 4;

    // Numbers with 0, 1, 2, 3 decimals; then the same in bold for totals.
    private const uint NumberStyle = 5;
    private const uint TotalStyle = 9;
    private const uint TotalText = 13;
    private const uint RightStyle = 14;
    private const int MostDecimals = 3;
    private const uint A4 = 9;
    private const uint Letter = 1;
    private const int MostSheetName = 31;

    // Points: a heading of two lines, a row of one.
    private const double HeadHeight = 30;
    private const double RowHeight = 15;

    /// <summary>Writes a workbook.</summary>
    /// <param name="stream">Where to.</param>
    /// <param name="project">For the title block.</param>
    /// <param name="tables">A sheet each.</param>
    public static void Write(Stream stream, Project project, IReadOnlyList<DataTable> tables)
    {
        ArgumentNullException.ThrowIfNull(stream);
        ArgumentNullException.ThrowIfNull(project);
        ArgumentNullException.ThrowIfNull(tables);
        using var made = new MemoryStream();
        Make(made, project, tables);
        UndatedArchive.Repack(made, stream);
    }

    private static void Make(Stream stream, Project project, IReadOnlyList<DataTable> tables)
    {
        using var document = SpreadsheetDocument.Create(stream, SpreadsheetDocumentType.Workbook);
        var book = document.AddWorkbookPart();
        book.AddNewPart<WorkbookStylesPart>("styles").Stylesheet = Styles();
        var sheets = new Sheets();
        var names = new DefinedNames();
        for (var i = 0; i < tables.Count; i++)
        {
            var id = string.Create(CultureInfo.InvariantCulture, $"sheet{i + 1}");
            var name = tables[i].Name[..Math.Min(tables[i].Name.Length, MostSheetName)];
            var (sheet, head) = Sheet(project, tables[i]);
            book.AddNewPart<WorksheetPart>(id).Worksheet = sheet;
            sheets.Append(new Sheet { Name = name, SheetId = (uint)(i + 1), Id = id });
            names.Append(new DefinedName(string.Create(CultureInfo.InvariantCulture,
                $"'{name}'!${head}:${head}"))
            { Name = "_xlnm.Print_Titles", LocalSheetId = (uint)i });
        }

        document.ChangeIdOfPart(book, "book");
        book.Workbook = new Workbook(sheets, names);
        book.Workbook.Save();
    }

    private static (Worksheet Sheet, uint Head) Sheet(Project project, DataTable table)
    {
        var data = new SheetData();
        var at = 0u;
        void Row(IEnumerable<Cell?> cells, double height = 0)
        {
            var row = new Row { RowIndex = ++at };
            if (height > 0)
            {
                (row.Height, row.CustomHeight) = (height, true);
            }

            var column = 0;
            foreach (var cell in cells)
            {
                column++;
                if (cell is not null)
                {
                    cell.CellReference = Reference(column, at);
                    row.Append(cell);
                }
            }

            data.Append(row);
        }

        var t = project.Title;
        Row([Text(table.Title, TitleStyle)]);
        foreach (var line in TitleBlock(t))
        {
            Row([Text(line, Plain)]);
        }

        Row([]);
        Row(table.Columns.Select(c => Text(c.Shown, HeadStyle)), HeadHeight);
        var head = at;
        foreach (var row in table.Rows)
        {
            Row(row.Zip(table.Columns, (cell, column) => Value(cell, column, false)), RowHeight * LinesOf(row, table.Columns));
        }

        if (table.Total is { } total)
        {
            Row(total.Zip(table.Columns, (cell, column) => Value(cell, column, true)), RowHeight);
        }

        Row([]);
        foreach (var note in table.Notes)
        {
            Row([Text(note, NoteStyle)]);
        }

        var columns = new Columns();
        for (var i = 0; i < table.Columns.Count; i++)
        {
            columns.Append(new Column { Min = (uint)(i + 1), Max = (uint)(i + 1), Width = table.Columns[i].Width + 2, CustomWidth = true });
        }

        var view = new SheetView(new Pane
        {
            VerticalSplit = head,
            TopLeftCell = Reference(1, head + 1),
            ActivePane = PaneValues.BottomLeft,
            State = PaneStateValues.Frozen
        })
        { WorkbookViewId = 0, ShowGridLines = false };
        return (new Worksheet(
            new SheetProperties(new PageSetupProperties { FitToPage = true }),
            new SheetViews(view),
            columns,
            data,
            new PageMargins { Left = 0.4, Right = 0.4, Top = 0.6, Bottom = 0.6, Header = 0.3, Footer = 0.3 },
            new PageSetup
            {
                PaperSize = project.Units == Core.Units.UnitSystem.Us ? Letter : A4,
                Orientation = OrientationValues.Landscape,
                FitToWidth = 1,
                FitToHeight = 0
            },
            new HeaderFooter(new OddFooter($"&L{Header(t.Name)}&C{Header(table.Title)}&R&P / &N"))), head);
    }

    // Lines that the longest text of a row takes in its column.
    private static int LinesOf(IReadOnlyList<object?> row, IReadOnlyList<TableColumn> columns) =>
        Math.Max(1, row.Select((cell, i) => cell is string s ? (s.Length + columns[i].Width - 1) / columns[i].Width : 1).Max());

    /// <summary>The lines of the title block that are stated.</summary>
    private static IEnumerable<string> TitleBlock(ProjectTitle t)
    {
        static string Join(params (string Name, string Value)[] parts) =>
            string.Join("   ", parts.Where(p => p.Value.Length > 0).Select(p => p.Name.Length == 0 ? p.Value : $"{p.Name}: {p.Value}"));
        foreach (var line in new[] { Join(("", t.Name), ("No.", t.Number)), Join(("Client", t.Client), ("Site", t.Site)),
            Join(("Engineer", t.Engineer), ("Checker", t.Checker), ("Date", t.Date)) })
        {
            if (line.Length > 0)
            {
                yield return line;
            }
        }
    }

    // In headers and footers an ampersand begins a code.
    private static string Header(string text) => text.Replace("&", "&&", StringComparison.Ordinal);

    private static Cell Text(string text, uint style) =>
        new(new InlineString(new Text(text) { Space = SpaceProcessingModeValues.Preserve }))
        {
            DataType = CellValues.InlineString,
            StyleIndex = style
        };

    private static Cell? Value(object? value, TableColumn column, bool total) => value switch
    {
        double d when column.Form == ColumnForm.Decimals => Number(d, total, column.Decimals),
        double d => Text(column.Words(d), total ? TotalText : RightStyle),
        int n => Number(n, total, column.Decimals ?? 0),
        string s => Text(s, total ? TotalText : TextStyle),
        _ => new Cell { StyleIndex = total ? TotalText : TextStyle },
    };

    private static Cell Number(double value, bool total, int? decimals) =>
        new(new CellValue(value.ToString("R", CultureInfo.InvariantCulture)))
        {
            DataType = CellValues.Number,
            StyleIndex = (total ? TotalStyle : NumberStyle) + (uint)Math.Clamp(decimals ?? MostDecimals, 0, MostDecimals)
        };

    private static string Reference(int column, uint row)
    {
        var letters = "";
        for (var c = column; c > 0; c = (c - 1) / 26)
        {
            letters = (char)('A' + ((c - 1) % 26)) + letters;
        }

        return string.Create(CultureInfo.InvariantCulture, $"{letters}{row}");
    }

    private static Stylesheet Styles()
    {
        static Font Face(double size, bool bold, bool italic)
        {
            var font = new Font();
            if (bold)
            {
                font.Append(new Bold());
            }

            if (italic)
            {
                font.Append(new Italic());
            }

            font.Append(new FontSize { Val = size }, new FontName { Val = "Calibri" });
            return font;
        }

        static Border Lines(BorderStyleValues? style) => style is { } s
            ? new Border(new LeftBorder { Style = s }, new RightBorder { Style = s }, new TopBorder { Style = s },
                new BottomBorder { Style = s }, new DiagonalBorder())
            : new Border(new LeftBorder(), new RightBorder(), new TopBorder(), new BottomBorder(), new DiagonalBorder());

        const uint firstFormat = 164;
        var formats = new NumberingFormats();
        for (var i = 0u; i <= MostDecimals; i++)
        {
            formats.Append(new NumberingFormat
            {
                NumberFormatId = firstFormat + i,
                FormatCode = i == 0 ? "0" : "0." + new string('0', (int)i)
            });
        }

        static CellFormat Cells(uint font, uint fill, uint border, uint format, HorizontalAlignmentValues? align, bool wrap)
        {
            var result = new CellFormat
            {
                FontId = font,
                FillId = fill,
                BorderId = border,
                NumberFormatId = format,
                ApplyFont = true,
                ApplyFill = true,
                ApplyBorder = true,
                ApplyNumberFormat = format != 0
            };
            if (align is not null || wrap)
            {
                result.Append(new Alignment
                {
                    Horizontal = align ?? HorizontalAlignmentValues.General,
                    Vertical = VerticalAlignmentValues.Center,
                    WrapText = wrap,
                    Indent = align is null || align == HorizontalAlignmentValues.Center ? 0u : 1u
                });
                result.ApplyAlignment = true;
            }

            return result;
        }

        var cells = new CellFormats(
            Cells(0, 0, 0, 0, null, false),
            Cells(1, 0, 0, 0, null, false),
            Cells(2, 2, 1, 0, HorizontalAlignmentValues.Center, true),
            Cells(3, 0, 0, 0, null, false),
            Cells(0, 0, 1, 0, HorizontalAlignmentValues.Left, true));
        for (var i = 0u; i <= MostDecimals; i++)
        {
            cells.Append(Cells(0, 0, 1, firstFormat + i, HorizontalAlignmentValues.Right, false));
        }

        for (var i = 0u; i <= MostDecimals; i++)
        {
            cells.Append(Cells(2, 0, 1, firstFormat + i, HorizontalAlignmentValues.Right, false));
        }

        cells.Append(Cells(2, 0, 1, 0, HorizontalAlignmentValues.Left, false));
        cells.Append(Cells(0, 0, 1, 0, HorizontalAlignmentValues.Right, false));
        return new Stylesheet(
            formats,
            new Fonts(Face(10, false, false), Face(14, true, false), Face(10, true, false), Face(9, false, true)),
            new Fills(new Fill(new PatternFill { PatternType = PatternValues.None }),
                new Fill(new PatternFill { PatternType = PatternValues.Gray125 }),
                new Fill(new PatternFill(new ForegroundColor { Rgb = "FFE7EBEF" }) { PatternType = PatternValues.Solid })),
            new Borders(Lines(null), Lines(BorderStyleValues.Thin)),
            new CellStyleFormats(new CellFormat()),
            cells);
    }
}
