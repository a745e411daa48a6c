using Plinth.Core.Buildings;
using Plinth.Core.Checks;
using Spectre.Console;
using Spectre.Console.Rendering;

namespace Plinth.Cli.Output;

/// <summary>What results are printed on: standard output, plain unless it is a terminal.</summary>
internal sealed class Screen
{
    // Tables are made for 100 columns. Where no terminal sets a width they may be wider: a squeezed column would be lost, which must not
    // happen.
    private const int LeastWidth = 100;
    private const int WidthWithoutTerminal = 140;
    private const int MostWidth = 10_000;

    private readonly IAnsiConsole console;

    public Screen(Call call)
    {
        var terminal = !Console.IsOutputRedirected;
        console = AnsiConsole.Create(new AnsiConsoleSettings
        {
            Ansi = terminal && !call.NoColor ? AnsiSupport.Detect : AnsiSupport.No,
            ColorSystem = terminal && !call.NoColor ? ColorSystemSupport.Detect : ColorSystemSupport.NoColors,
            Interactive = InteractionSupport.No,
            Out = new AnsiConsoleOutput(Console.Out),
        });
        console.Profile.Width = terminal ? Math.Max(LeastWidth, TerminalWidth()) : WidthWithoutTerminal;
        console.Profile.Capabilities.Unicode = true;
    }

    /// <summary>A line of plain text.</summary>
    public void Line(string text = "") => console.Profile.Out.Writer.WriteLine(Streams.Shown(text));

    /// <summary>A line in a style.</summary>
    public void Line(string text, Style style) => console.Write(new Text(Streams.Shown(text) + "\n", style));

    /// <summary>A text broken between words at the width of the screen.</summary>
    /// <param name="text">The text; spaces at its start are kept.</param>
    /// <param name="indent">Indent of the lines that follow the first.</param>
    public void Wrapped(string text, int indent = 2)
    {
        var line = new System.Text.StringBuilder();
        var started = false;
        foreach (var word in text.Split(' '))
        {
            if (line.Length + 1 + word.Length > Math.Min(console.Profile.Width, LeastWidth) - 1 && line.Length > 0)
            {
                Line(line.ToString());
                line.Clear().Append(' ', indent);
            }
            else if (started)
            {
                line.Append(' ');
            }

            line.Append(word);
            started = true;
        }

        Line(line.ToString());
    }

    /// <summary>A table, wider than the screen where its longest words need it: no column is lost.</summary>
    public void Write(Table table)
    {
        var width = console.Profile.Width;
        Narrow(table, width);
        console.Profile.Width = Math.Max(width, ((IRenderable)table).Measure(RenderOptions.Create(console), MostWidth).Min);
        console.Write(table);
        console.Profile.Width = width;
    }

    // Where a table is wider than the screen its widest columns are narrowed first, none below its longest word.
    private void Narrow(Table table, int width)
    {
        var options = RenderOptions.Create(console);
        var (least, own) = (new int[table.Columns.Count], new int[table.Columns.Count]);
        foreach (var row in table.Rows.Select(r => r.ToArray()).Prepend([.. table.Columns.Select(c => c.Header)]))
        {
            foreach (var (i, cell) in row.Index())
            {
                var m = cell.Measure(options, MostWidth);
                (least[i], own[i]) = (Math.Max(least[i], m.Min), Math.Max(own[i], m.Max));
            }
        }

        // Two characters between columns.
        var excess = own.Sum() + (2 * (own.Length - 1)) - width;
        if (excess <= 0)
        {
            return;
        }

        for (; excess > 0; excess--)
        {
            var widest = -1;
            for (var i = 0; i < own.Length; i++)
            {
                widest = own[i] > least[i] && (widest < 0 || own[i] > own[widest]) ? i : widest;
            }

            if (widest < 0)
            {
                break;
            }

            own[widest]--;
        }

        for (var i = 0; i < own.Length; i++)
        {
            table.Columns[i].Width = own[i];
        }
    }

    /// <summary>A table with the look that all share; columns named with a leading ">" are set right.</summary>
    public static Table Table(params IEnumerable<string> columns)
    {
        var table = new Table { Border = Look.Instance, ShowRowSeparators = false };
        string[] names = [.. columns];
        foreach (var (i, name) in names.Index())
        {
            var right = name.StartsWith('>');
            var column = new TableColumn(new Text(right ? name[1..] : name, Styles.Head))
            {
                NoWrap = false,
                Alignment = right ? Justify.Right : Justify.Left
            };

            // A separator counts as one character: the second is part of the column, else lines would be longer than they are held to be,
            // and cut.
            column.Padding = new Padding(0, 0, i < names.Length - 1 ? 1 : 0, 0);
            table.AddColumn(column);
        }

        return table;
    }

    /// <summary>A cell of text; nothing in it is taken for markup.</summary>
    public static Text Cell(string text, Style? style = null) => new(Streams.Shown(text), style ?? Style.Plain);

    private static int TerminalWidth()
    {
        try
        {
            return Console.WindowWidth;
        }
        catch (IOException)
        {
            return LeastWidth;
        }
    }

    /// <summary>Two spaces between columns and one line under the header: nothing more to look past.</summary>
    private sealed class Look : TableBorder
    {
        public static readonly Look Instance = new();

        public override string GetPart(TableBorderPart part) => part switch
        {
            TableBorderPart.HeaderBottom => "─",
            TableBorderPart.HeaderBottomSeparator => "─",
            TableBorderPart.HeaderSeparator or TableBorderPart.CellSeparator => " ",
            _ => "",
        };
    }
}

/// <summary>The styles of output: few, and never the only sign of anything.</summary>
internal static class Styles
{
    public static readonly Style Head = new(decoration: Decoration.Bold);

    public static readonly Style Fail = new(Color.Red, decoration: Decoration.Bold);

    public static readonly Style Ok = new(Color.Green);

    /// <summary>Plain for a pass.</summary>
    public static Style Of(bool passes) => passes ? Style.Plain : Fail;

    /// <summary>What passes by the engineer's leave.</summary>
    public static readonly Style Leave = new(Color.Olive);

    public static readonly Style Quiet = new(Color.Grey);
}

/// <summary>How values are said to people.</summary>
internal static class Say
{
    /// <summary>Pass or fail as a sign and a word, coloured.</summary>
    public static Text Verdict(bool passes) => passes ? Screen.Cell("✓ ok", Styles.Ok) : Screen.Cell("✗ FAIL", Styles.Fail);

    /// <summary>The same of a check, which may pass by the engineer's leave alone.</summary>
    public static Text Verdict(CheckResult check) =>
        Screen.Cell(Wording.Verdict(check),
            check.Outcome.Shown ? Styles.Quiet : check.Allowed || check.Leave is { UpTo: null } ? Styles.Leave : Styles.Of(check.Passes));

    /// <summary>The same of a foundation.</summary>
    public static Text Verdict(FoundationReport report) =>
        Screen.Cell(Wording.Verdict(report),
            report.Passes && report.Result!.Checks.Any(c => c.Allowed) ? Styles.Leave : Styles.Of(report.Passes));
}
