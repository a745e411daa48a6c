using System.Globalization;
using System.Text;
using Plinth.Core.Units;
using Plinth.Drawing.Sheets;

namespace Plinth.Drawing.Writers;

/// <summary>
/// Writes a sheet as DXF (release 2000, AC1015): a layer for each kind of content, lines, circles, texts and dimensions as entities of
/// their own, in real units:
/// millimetres or inches at full size, so that what is measured in the file is what is built. The frame is as much larger than the paper.
/// A section at a larger scale is as many times larger, as its title says; its dimensions measure what is built.
/// </summary>
public static class DxfWriter
{
    private const int Inches = 1;
    private const int Millimetres = 4;

    /// <summary>Writes a sheet.</summary>
    public static byte[] Write(Sheet sheet)
    {
        ArgumentNullException.ThrowIfNull(sheet);
        return new Writing(sheet).Run();
    }

    private sealed class Writing(Sheet sheet)
    {
        private readonly StringBuilder text = new();
        private readonly StringBuilder blocks = new();
        private readonly StringBuilder entities = new();
        private readonly List<(string Name, string Record)> dimensions = [];
        private readonly double factor = sheet.Scale.Ratio / (sheet.Units == UnitSystem.Us ? 25.4 : 1);
        private int handle = 0x100;

        public byte[] Run()
        {
            foreach (var item in sheet.Items)
            {
                Entity(entities, item, "1F");
            }

            Header();
            Section("CLASSES", "");
            Tables();
            Blocks();
            Section("ENTITIES", entities.ToString());
            Section("OBJECTS",
                Pairs((0, "DICTIONARY"), (5, "C"), (330, "0"), (100, "AcDbDictionary"), (281, "1"), (3, "ACAD_GROUP"), (350, "D"),
                    (0, "DICTIONARY"), (5, "D"), (330, "C"), (100, "AcDbDictionary"), (281, "1")));
            text.Append("0\nEOF\n");
            return Encoding.ASCII.GetBytes(text.ToString());
        }

        private string Next() => (handle++).ToString("X", CultureInfo.InvariantCulture);

        private static string Pairs(params IEnumerable<(int Code, string Value)> pairs)
        {
            var s = new StringBuilder();
            foreach (var (code, value) in pairs)
            {
                s.Append(code.ToString(CultureInfo.InvariantCulture)).Append('\n').Append(value).Append('\n');
            }

            return s.ToString();
        }

        private void Section(string name, string content) =>
            text.Append("0\nSECTION\n2\n").Append(name).Append('\n').Append(content).Append("0\nENDSEC\n");

        private string X(double mm) => Math.Round(mm * factor, 6).ToString("0.0#####", CultureInfo.InvariantCulture);

        private void Header()
        {
            var us = sheet.Units == UnitSystem.Us;
            Section("HEADER", Pairs(
                (9, "$ACADVER"), (1, "AC1015"), (9, "$DWGCODEPAGE"), (3, "ANSI_1252"), (9, "$INSUNITS"),
                (70, (us ? Inches : Millimetres).ToString(CultureInfo.InvariantCulture)), (9, "$MEASUREMENT"), (70, us ? "0" : "1"),
                (9, "$EXTMIN"), (10, "0.0"), (20, "0.0"), (30, "0.0"), (9, "$EXTMAX"), (10, X(sheet.Paper.Width)),
                (20, X(sheet.Paper.Height)), (30, "0.0"), (9, "$LTSCALE"), (40, X(1)), (9, "$HANDSEED"),
                (5, (handle + 0x1000).ToString("X", CultureInfo.InvariantCulture))));
        }

        private void Tables()
        {
            var s = new StringBuilder();
            void Table(string name, string own, string records, int count) =>
                s.Append(Pairs((0, "TABLE"), (2, name), (5, own), (330, "0"), (100, "AcDbSymbolTable"),
                    (70, count.ToString(CultureInfo.InvariantCulture)))).Append(records).Append("0\nENDTAB\n");
            string Record(string type, string own, string table, string subclass, params (int, string)[] rest) =>
                Pairs([(0, type), (type == "DIMSTYLE" ? 105 : 5, own), (330, table), (100, "AcDbSymbolTableRecord"), (100, subclass),
                    .. rest]);
            Table("VPORT", "8",
                Record("VPORT", "29", "8", "AcDbViewportTableRecord", (2, "*ACTIVE"), (70, "0"), (10, "0.0"), (20, "0.0"), (11, "1.0"),
                    (21, "1.0"), (12, X(sheet.Paper.Width / 2)), (22, X(sheet.Paper.Height / 2)), (13, "0.0"), (23, "0.0"), (14, "10.0"),
                    (24, "10.0"), (15, "10.0"), (25, "10.0"), (16, "0.0"), (26, "0.0"), (36, "1.0"), (17, "0.0"), (27, "0.0"), (37, "0.0"),
                    (40, X(sheet.Paper.Height)), (41, "1.5"), (42, "50.0"), (43, "0.0"), (44, "0.0"), (50, "0.0"), (51, "0.0"), (71, "0"),
                    (72, "100"), (73, "1"), (74, "3"), (75, "0"), (76, "0"), (77, "0"), (78, "0")), 1);
            var types = new StringBuilder();
            foreach (var (name, own) in new[] { ("ByBlock", "14"), ("ByLayer", "15"), ("Continuous", "16") })
            {
                types.Append(Record("LTYPE", own, "5", "AcDbLinetypeTableRecord", (2, name), (70, "0"), (3, ""), (72, "65"), (73, "0"),
                    (40, "0.0")));
            }

            foreach (var dash in new[] { Dash.Hidden, Dash.Chain, Dash.Boundary })
            {
                // Lengths stand in sheet millimetres; $LTSCALE makes them as large as the drawing.
                var pattern = Strokes.Pattern(dash);
                types.Append(Record("LTYPE", Next(), "5", "AcDbLinetypeTableRecord",
                    [(2, Name(dash)), (70, "0"), (3, ""), (72, "65"), (73, pattern.Length.ToString(CultureInfo.InvariantCulture)),
                        (40, Plain(pattern.Sum())),
                        .. pattern.SelectMany((v, i) => new (int, string)[] { (49, Plain(i % 2 == 0 ? v : -v)), (74, "0") })]));
            }

            Table("LTYPE", "5", types.ToString(), 6);
            var layers = sheet.Items.Select(i => i.Layer).Distinct().Order(StringComparer.Ordinal).ToList();
            Table("LAYER", "2",
                string.Concat(layers.Prepend("0")
                    .Select(l => Record("LAYER", l == "0" ? "10" : Next(), "2", "AcDbLayerTableRecord", (2, l), (70, "0"), (62, "7"),
                        (6, "Continuous")))), layers.Count + 1);
            Table("STYLE", "3",
                Record("STYLE", "11", "3", "AcDbTextStyleTableRecord", (2, "Standard"), (70, "0"), (40, "0.0"), (41, "1.0"), (50, "0.0"),
                    (71, "0"), (42, "2.5"), (3, "DejaVuSans.ttf"), (4, "")), 1);
            Table("VIEW", "6", "", 0);
            Table("UCS", "7", "", 0);
            Table("APPID", "9", Record("APPID", "12", "9", "AcDbRegAppTableRecord", (2, "ACAD"), (70, "0")), 1);
            s.Append(Pairs((0, "TABLE"), (2, "DIMSTYLE"), (5, "A"), (330, "0"), (100, "AcDbSymbolTable"), (70, "1"),
                (100, "AcDbDimStyleTable"), (71, "1")))
                .Append(Record("DIMSTYLE", "27", "A", "AcDbDimStyleTableRecord", (2, "Standard"), (70, "0"), (41, X(1)), (42, X(1)),
                    (44, X(1.2)), (140, X(DimensionItem.TextHeight)), (147, X(0.8)), (142, X(1.1)), (77, "1"), (73, "0"), (74, "0")))
                .Append("0\nENDTAB\n");
            Table("BLOCK_RECORD", "1",
                Record("BLOCK_RECORD", "1F", "1", "AcDbBlockTableRecord", (2, "*Model_Space"))
                    + Record("BLOCK_RECORD", "1B", "1", "AcDbBlockTableRecord", (2, "*Paper_Space"))
                    + string.Concat(dimensions.Select(d => Record("BLOCK_RECORD", d.Record, "1", "AcDbBlockTableRecord", (2, d.Name)))),
                dimensions.Count + 2);
            Section("TABLES", s.ToString());
        }

        private void Blocks()
        {
            string Block(string name, string record, string content, string own, string end) =>
                Pairs((0, "BLOCK"), (5, own), (330, record), (100, "AcDbEntity"), (8, "0"), (100, "AcDbBlockBegin"), (2, name),
                    (70, name.StartsWith("*D", StringComparison.Ordinal) ? "1" : "0"), (10, "0.0"), (20, "0.0"), (30, "0.0"), (3, name),
                    (1, "")) + content
                    + Pairs((0, "ENDBLK"), (5, end), (330, record), (100, "AcDbEntity"), (8, "0"), (100, "AcDbBlockEnd"));
            Section("BLOCKS", Block("*Model_Space", "1F", "", "20", "21") + Block("*Paper_Space", "1B", "", "1C", "1D") + blocks);
        }

        private static string Name(Dash dash) =>
            dash switch { Dash.Hidden => "HIDDEN", Dash.Chain => "CHAIN", Dash.Boundary => "BOUNDARY", _ => "Continuous" };

        private static string Plain(double v) => v.ToString("0.0####", CultureInfo.InvariantCulture);

        private string Start(string type, string layer, string owner, Dash dash = Dash.Solid, double width = 0) =>
            Pairs([(0, type), (5, Next()), (330, owner), (100, "AcDbEntity"), (8, layer),
                .. dash == Dash.Solid ? (IEnumerable<(int, string)>)[] : [(6, Name(dash))],
                .. width > 0 ? (IEnumerable<(int, string)>)[(370, Weight(width))] : []]);

        // Widths of lines come in steps of the format, hundredths of a millimetre.
        private static string Weight(double mm)
        {
            int[] known = [5, 9, 13, 15, 18, 20, 25, 30, 35, 40, 50, 53, 60, 70, 80, 90, 100];
            return known.MinBy(k => Math.Abs(k - (mm * 100))).ToString(CultureInfo.InvariantCulture);
        }

        private void Entity(StringBuilder to, Item item, string owner)
        {
            switch (item)
            {
                case PathItem p:
                    foreach (var line in Strokes.Hatch(p))
                    {
                        Entity(to, line, owner);
                    }

                    if (p.Stroke.Width > 0)
                    {
                        to.Append(Start("LWPOLYLINE", p.Layer, owner, p.Stroke.Dash, p.Stroke.Width))
                            .Append(Pairs([(100, "AcDbPolyline"), (90, p.Points.Count.ToString(CultureInfo.InvariantCulture)),
                                (70, p.Closed ? "1" : "0"), .. p.Points.SelectMany(v => new[] { (10, X(v.X)), (20, X(v.Y)) })]));
                    }

                    break;
                case CircleItem c:
                    to.Append(Start("CIRCLE", c.Layer, owner, c.Stroke.Dash, c.Stroke.Width))
                        .Append(Pairs((100, "AcDbCircle"), (10, X(c.Centre.X)), (20, X(c.Centre.Y)), (30, "0.0"), (40, X(c.Radius))));
                    break;
                case TextItem t:
                    var side = t.Anchor switch { Anchor.Left => "0", Anchor.Middle => "1", _ => "2" };
                    to.Append(Start("TEXT", t.Layer, owner))
                        .Append(Pairs([(100, "AcDbText"), (10, X(t.Point.X)), (20, X(t.Point.Y)), (30, "0.0"), (40, X(t.Height)),
                            (1, Escaped(t.Text)), (50, Plain(t.Angle)), (72, side),
                            .. t.Anchor == Anchor.Left
                                ? (IEnumerable<(int, string)>)[]
                                : [(11, X(t.Point.X)), (21, X(t.Point.Y)), (31, "0.0")], (100, "AcDbText")]));
                    break;
                case DimensionItem d:
                    Dimension(to, d, owner);
                    break;
            }
        }

        private void Dimension(StringBuilder to, DimensionItem d, string owner)
        {
            var name = string.Create(CultureInfo.InvariantCulture, $"*D{dimensions.Count + 1}");
            var record = Next();
            dimensions.Add((name, record));
            var drawn = new StringBuilder();
            foreach (var part in Strokes.Of(d))
            {
                Entity(drawn, part, record);
            }

            blocks.Append(Pairs((0, "BLOCK"), (5, Next()), (330, record), (100, "AcDbEntity"), (8, "0"), (100, "AcDbBlockBegin"), (2, name),
                (70, "1"), (10, "0.0"), (20, "0.0"), (30, "0.0"), (3, name), (1, ""))).Append(drawn)
                .Append(Pairs((0, "ENDBLK"), (5, Next()), (330, record), (100, "AcDbEntity"), (8, "0"), (100, "AcDbBlockEnd")));
            var (_, end) = d.Ends;
            var at = Strokes.TextOf(d).Point;
            to.Append(Start("DIMENSION", d.Layer, owner)).Append(Pairs(
                (100, "AcDbDimension"), (2, name), (10, X(end.X)), (20, X(end.Y)), (30, "0.0"), (11, X(at.X)), (21, X(at.Y)), (31, "0.0"),
                (70, "32"), (1, Escaped(d.Text)), (71, "5"),
                (42, X((d.Vertical ? Math.Abs(d.To.Y - d.From.Y) : Math.Abs(d.To.X - d.From.X)) / d.Times)), (3, "Standard"),
                (100, "AcDbAlignedDimension"), (13, X(d.From.X)), (23, X(d.From.Y)), (33, "0.0"), (14, X(d.To.X)), (24, X(d.To.Y)),
                (34, "0.0"), (50, d.Vertical ? "90.0" : "0.0"), (100, "AcDbRotatedDimension")));
            if (d.Times != 1)
            {
                // What is drawn larger measures as it is built (DIMLFAC of this dimension alone).
                to.Append(Pairs((1001, "ACAD"), (1000, "DSTYLE"), (1002, "{"), (1070, "144"), (1040, Plain(1 / d.Times)), (1002, "}")));
            }
        }

        // Characters beyond ASCII by their code points, and %, ^, \ so that they begin no code.
        private static string Escaped(string value)
        {
            var s = new StringBuilder();
            foreach (var c in Texts.Clean(value))
            {
                s.Append(c switch
                {
                    '\\' or '{' or '}' or '^' => $"\\U+{(int)c:X4}",
                    '%' => "%%%",
                    > '~' => $"\\U+{(int)c:X4}",
                    _ => c.ToString(),
                });
            }

            return s.ToString();
        }
    }
}
