using CsCheck;
using Plinth.Core.Concrete;
using Plinth.Core.Contact;
using Plinth.Core.Foundations;
using Plinth.Core.Kinds;
using Plinth.Core.Kinds.Combined;
using Plinth.Core.Kinds.Isolated;
using Plinth.Core.Kinds.Strap;
using Plinth.Files.Adopted;
using Plinth.Files.Diagnostics;
using Plinth.Files.Toml;

namespace Plinth.Files.Tests;

/// <summary>adopted.toml is changed where it must be and nowhere else.</summary>
public class AdoptedTests
{
    private const string Text = """
        # first words

        [F1]  # the corner
        kind = "isolated"
        supports = ["C1"]   # one
        length = "2000 mm"
        width = "2000 mm"
        # a thought
        thickness = "500 mm"
        bottom-x = "13 T16"
        bottom-y = "13 T16"
        found = "00000000"

        # between

        [F2]
        kind = "isolated"
        supports = ["C2"]
        length = "1 m"
        width = "1 m"
        thickness = "0.4 m"
        bottom-x = "5 T16"
        bottom-y = "5 T16"
        # last words
        """;

    private static IReadOnlyList<AdoptedEntry> Read(string text)
    {
        var bag = new DiagnosticBag();
        var entries = AdoptedReader.Read(text, bag);
        bag.HasErrors.Should().BeFalse(string.Join('\n', bag.Sorted));
        return entries;
    }

    [Fact]
    public void What_an_editor_saved_since_the_project_was_read_is_not_lost()
    {
        using var f = new RawFolder();
        f.With("plinth.toml", """
            [project]
            name = "T"
            code = "aci318m-19"
            [loads]
            standard = "asce7-22"
            [cases]
            DEAD = "D"
            [ground]
            founding-depth = "1.5 m"
            bearing = "200 kPa"
            [concrete]
            strength = "30 MPa"
            [steel]
            yield = "420 MPa"
            """);
        f.With("supports.csv", "support,x (m),y (m),cx (mm),cy (mm)\nC1,0,0,400,400\nC2,6,0,400,400\n");
        f.With("reactions.csv", "support,case,Fz (kN)\nC1,DEAD,400\nC2,DEAD,400\n");
        foreach (var before in new[] { null, Text })
        {
            if (before is not null)
            {
                f.With("adopted.toml", before);
            }

            var bag = new DiagnosticBag();
            var loaded = Plinth.Files.Reading.ProjectReader.Read(f.Path, bag);
            loaded.Should().NotBeNull(string.Join('\n', bag.Sorted));
            var saved = Text + "\n# saved meanwhile\n";
            f.With("adopted.toml", saved);
            var adopting = () => loaded!.Adopt("# of the program\n");
            adopting.Should().Throw<IOException>().WithMessage("*was changed while plinth worked on it*");
            File.ReadAllText(Path.Combine(f.Path, "adopted.toml")).Should().Be(saved);
            Directory.GetFiles(f.Path, ".plinth*").Should().BeEmpty();
            Plinth.Files.Reading.ProjectReader.Read(f.Path, new DiagnosticBag())!.Adopt("# of the program\n");
            File.ReadAllText(Path.Combine(f.Path, "adopted.toml")).Should().Be("# of the program\n", "nobody changed it since it was read");
            File.Delete(Path.Combine(f.Path, "adopted.toml"));
        }
    }

    [Fact]
    public void How_a_design_lies_is_written_also_where_it_stands_alone()
    {
        var support = new Support("C4", 0, 0, null, ColumnShape.Rectangular, 0.4, 0.4, 0, 0, 0, "", "");
        var foundation = new Foundation("F4", [new Place(support, 0, null!).Lying(new Lie(2, true))], false, HeldValues.Nothing, null!);
        var design = new IsolatedDesign(new BaseSize(2, 2, 0.5) { ShiftX = 0.2 }, BarSpec.None, BarSpec.None, BarSpec.None, BarSpec.None);
        var written = AdoptedEntry.Write(foundation, design, us: false);
        var text = "[F4]\n" + string.Concat(written.Select(v => $"{v.Key} = {v.Value}\n"));
        var read = Read(text.Replace("\"none\"", "\"5 T16\"", StringComparison.Ordinal)).Single();
        read.Alike.Should().BeTrue();
        read.Places.Single().Supports.Should().Equal("C4");
        read.Places.Single().Lie.Should().Be(new Lie(2, true));
    }

    // A layer as any may be: none, counted or spaced, of metric or US sizes, hooked, banded.
    private static Gen<BarSpec> Layers(bool us) =>
        Gen.Select(Gen.Int[0, 5], Gen.Int[0, 5], Gen.Int[2, 30], Gen.Int[1, 12], Gen.Bool).Select((form, size, count, step, hooked) =>
    {
        var bar = (us ? BarSize.UsSizes : BarSize.MetricSizes)[size + (us ? 0 : 3)];
        return form switch
        {
            0 => BarSpec.None,
            1 => new BarSpec(bar, 0, us ? 0.0254 * (2 + step) : 0.025 * (2 + step)) { Hooked = hooked },
            2 => BarSpec.WithBand(count, new BarSpec(bar, 2 * step, 0))! with { Hooked = hooked },
            3 => BarSpec.WithBand(count, new BarSpec(bar, 0, 0))! with { Hooked = hooked },
            _ => new BarSpec(bar, count, 0) { Hooked = hooked },
        };
    });

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Any_design_that_is_written_is_read_back(bool us) =>
        Gen.Select(Layers(us).Array[6], Gen.Int[1, 200].Array[9], Gen.Bool.Array[6], Gen.Int[0, 7]).Sample((layers, n, yes, lie) =>
    {
        var step = us ? 0.0254 : 0.005;
        double L(int i) => Math.Round(n[i] * step, 9);
        BarSpec Upright(int i) => new((us ? BarSize.UsSizes : BarSize.MetricSizes)[4 + (n[i] % 3)], 4 + (2 * (n[i] % 5)), 0);
        var round = yes[0];
        var pedestal = new Pedestal(L(3), round ? 0 : L(4), round, Upright(5),
            new BarSpec((us ? BarSize.UsSizes : BarSize.MetricSizes)[2], 0, L(6) + (20 * step)))
        {
            Socket = yes[1] && !round
                ? new Socket(L(7), L(8))
                : null
        };
        var design = new IsolatedDesign(new BaseSize(L(0), L(1), L(2)) { ShiftX = yes[2] ? -L(3) : 0, ShiftY = yes[2] ? L(4) : 0 },
            layers[0], layers[1], layers[2], layers[3])
        {
            Pedestal = yes[3] ? pedestal with { SizeY = round ? pedestal.SizeX : pedestal.SizeY } : null,
            Dowels = yes[4] ? Upright(7) : BarSpec.None,
        };
        Support At(string label) => new(label, 0, 0, null, ColumnShape.Rectangular, 0.4, 0.4, 0, 0, 0, "", "");
        var foundation = new Foundation("F 1", [new Place(At("C \"1\""), 0, null!), new Place(At("C2"), 0, null!).Lying(Lie.All[lie])],
            true, HeldValues.Nothing, null!);
        var written = AdoptedEntry.Write(foundation, design, us);
        var text = AdoptedEditor.Set("", [("F 1", written)], whole: true);
        var read = Read(text).Single();
        read.Design.Should().BeEquivalentTo(design,
            o => o.Using<double>(c => c.Subject.Should().BeApproximately(c.Expectation, 1e-9)).WhenTypeIs<double>(), text);
        read.ByHand.Should().BeFalse(text);
        read.Places.Select(p => (p.Supports[0], p.Lie)).Should().Equal(("C \"1\"", Lie.AsDrawn), ("C2", Lie.All[lie]));
        AdoptedEditor.Set(text, [("F 1", AdoptedEntry.Write(foundation, read.Design, us))], whole: true)
            .Should().Be(text, "written again it is the same");
    });

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Any_strap_that_is_written_is_read_back(bool us) =>
        Gen.Select(Layers(us).Array[8], Gen.Int[20, 200].Array[9], Gen.Int[2, 12].Array[4], Gen.Bool.Array[5]).Sample((layers, n, count, yes) =>
    {
        var (step, sizes) = (us ? 0.0254 : 0.005, us ? BarSize.UsSizes : BarSize.MetricSizes);
        double L(int i) => Math.Round(n[i] * step, 9);
        BarSpec Flat(int i) => layers[i] with { Band = 0 };
        BarSpec Counted(int i) => new(sizes[3 + (count[i] % 4)], count[i], 0) { Hooked = yes[i] };
        var design = new StrapDesign(new StrapBase(L(0), L(1), L(2), Flat(0), Flat(1), Flat(2), Flat(3)),
            new StrapBase(L(3), L(4), L(5), Flat(4), Flat(5), Flat(6), Flat(7)),
            new BeamDesign(L(6), L(7), L(8), Counted(0), Counted(1), new BarSpec(sizes[2], 0, 20 * step),
                yes[4] ? new BarSpec(sizes[3], count[2], 0) : BarSpec.None)
            { OverBase = yes[3] },
            [new CarriedColumn("C 5", new Upright(null, new BarSpec(sizes[4], 8, 0))), new CarriedColumn("C.9", new Upright(null, BarSpec.None))]);
        Support At(string label, double x) => new(label, x, 0, null, ColumnShape.Rectangular, 0.4, 0.4, 0, 0, 0, "", "");
        var foundation = new Foundation("SF1", [new Place([At("C 5", 0), At("C.9", 9)], 0, null!)], false, HeldValues.Nothing, null!)
        {
            Kind = FoundationKinds.Find("strap")!,
        };
        var text = AdoptedEditor.Set("", [("SF1", AdoptedEntry.Write(foundation, design, us))], whole: true);
        var read = Read(text).Single();
        AdoptedEntry.Same(foundation, read.Design, design).Should().BeTrue(text);
        read.ByHand.Should().BeFalse(text);
        read.Kind.Id.Should().Be("strap");
        AdoptedEditor.Set(text, [("SF1", AdoptedEntry.Write(foundation, read.Design, us))], whole: true).Should().Be(text, "written again it is the same");
    });

    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void Any_base_under_several_supports_that_is_written_is_read_back(bool us) =>
        Gen.Select(Layers(us).Array[7], Gen.Int[20, 200].Array[8], Gen.Bool.Array[4]).Sample((layers, n, yes) =>
    {
        var step = us ? 0.0254 : 0.005;
        double L(int i) => Math.Round(n[i] * step, 9);
        BarSpec Flat(int i) => layers[i] with { Band = 0 };
        BarSpec Ring(int i) => new((us ? BarSize.UsSizes : BarSize.MetricSizes)[4 + (n[i] % 3)], 4 + (2 * (n[i] % 5)), 0);
        string[] labels = ["C 5", "C.9", "say \"E\""];
        var pedestal = new Pedestal(L(4), L(5), false, Ring(6), new BarSpec((us ? BarSize.UsSizes : BarSize.MetricSizes)[2], 0, 20 * step));
        var design = new CombinedDesign(new BaseSize(L(0), L(1), L(2)), yes[0] ? L(1) : L(3),
            new PlanPoint(yes[1] ? -L(4) : 0, yes[2] ? L(5) : 0), Flat(0), Flat(1), Flat(2), Flat(3),
            [
                .. labels.Select((l, i) => new ColumnDesign(l, Flat(4 + i),
                    new Upright(yes[3] && i == 1 ? pedestal : null, i == 0 ? Ring(7) : BarSpec.None)))]);
        Support At(string label, double x) => new(label, x, 0, null, ColumnShape.Rectangular, 0.4, 0.4, 0, 0, 0, "", "");
        var foundation = new Foundation("CF1", [new Place([.. labels.Select((l, i) => At(l, 3 * i))], 0, null!)], false, HeldValues.Nothing,
            null!)
        { Kind = FoundationKinds.Find("combined")! };
        var written = AdoptedEntry.Write(foundation, design, us);
        var text = AdoptedEditor.Set("", [("CF1", written)], whole: true);
        var read = Read(text).Single();
        AdoptedEntry.Same(foundation, read.Design, design).Should().BeTrue(text);
        read.ByHand.Should().BeFalse(text);
        read.Kind.Id.Should().Be("combined");
        AdoptedEditor.Set(text, [("CF1", AdoptedEntry.Write(foundation, read.Design, us))], whole: true)
            .Should().Be(text, "written again it is the same");
    });

    [Fact]
    public void Keys_within_keys_are_changed_dotted_inline_and_under_headers()
    {
        const string head = "[CF1]\nkind = \"combined\"\n";
        (string, IReadOnlyList<(string Key, string Value)>)[] Set(params (string Key, string Value)[] values) => [("CF1", values)];
        AdoptedEditor.Set(head + "bottom-y.at.C5 = \"9 T16\" # why\n", Set(("bottom-y.at.C5", "\"10 T16\"")), whole: false)
            .Should().Be(head + "bottom-y.at.C5 = \"10 T16\" # why\n");
        AdoptedEditor.Set(head + "bottom-y = { at.C5 = \"9 T16\", rest = \"none\" }\n",
            Set(("bottom-y.rest", "\"8 T12\""), ("bottom-y.at.C9", "\"7 T16\"")), whole: false)
            .Should().Be(head + "bottom-y = { at.C5 = \"9 T16\", rest = \"8 T12\", at.C9 = \"7 T16\" }\n");
        AdoptedEditor.Set(head + "\n[CF1.at.C5]\ndowels = \"4 T16\"\n",
            Set(("at.C5.dowels", "\"8 T16\""), ("at.C5.pedestal.bars", "\"8 T20\"")), whole: false)
            .Should().Be(head + "\n[CF1.at.C5]\ndowels = \"8 T16\"\npedestal.bars = \"8 T20\"\n");
        AdoptedEditor.Set(head + "bottom-y = { at.C5 = \"9 T16\" }\nx = 1\n",
            Set(("kind", "\"combined\""), ("bottom-y.at.C5", "\"9 T16\"")), whole: true).Should().Be(head + "bottom-y.at.C5 = \"9 T16\"\n");
        AdoptedEditor.Set(head, Set(("at.\"C 5\".dowels", "\"8 T16\"")), whole: false)
            .Should().Be(head + "at.\"C 5\".dowels = \"8 T16\"\n");
    }

    [Fact]
    public void A_value_is_changed_in_its_place()
    {
        var changed = AdoptedEditor.Set(Text, [("F1", [("width", "\"2200 mm\"")])], whole: false);
        changed.Should().Be(Text.Replace("width = \"2000 mm\"", "width = \"2200 mm\"", StringComparison.Ordinal));
    }

    [Fact]
    public void A_table_is_taken_out_and_every_comment_between_tables_stays()
    {
        var first = AdoptedEditor.Remove(Text, ["F1"]);
        first.Should().StartWith("# first words\n\n# between\n\n[F2]").And.EndWith("bottom-y = \"5 T16\"\n# last words");
        AdoptedEditor.Remove(Text, ["F2"]).Should().Be(Text[..Text.IndexOf("[F2]", StringComparison.Ordinal)] + "# last words");
        AdoptedEditor.Remove(Text + "\n[F2.pedestal]\nsize = \"0.5 m\"\n", ["F2"]).Should().NotContain("pedestal").And.Contain("[F1]");
        AdoptedEditor.Remove(Text.ReplaceLineEndings("\r\n"), ["F1"]).Should().Be(first.ReplaceLineEndings("\r\n"));
        AdoptedEditor.Remove(Text, ["F9"]).Should().Be(Text);
    }

    [Fact]
    public void A_missing_key_is_added_after_the_last_and_a_new_table_at_the_end()
    {
        var changed = AdoptedEditor.Set(Text, [("F1", [("top-x", "\"5 T12\"")]), ("F3", [("kind", "\"isolated\"")])], whole: false);
        changed.Should().Contain("found = \"00000000\"\ntop-x = \"5 T12\"\n\n# between").And.EndWith(
            "# last words\n\n[F3]\nkind = \"isolated\"\n");
    }

    [Fact]
    public void The_whole_table_drops_what_is_not_wanted_and_keeps_its_comments()
    {
        var changed = AdoptedEditor.Set(Text, [("F1", [("kind", "\"isolated\""), ("supports", "[\"C1\"]"), ("length", "\"3 m\"")])],
            whole: true);
        changed.Should().StartWith(
            "# first words\n\n[F1]  # the corner\nkind = \"isolated\"\nsupports = [\"C1\"]   # one\n"
                + "length = \"3 m\"\n# a thought\n\n# between\n\n[F2]");
    }

    [Fact]
    public void Setting_what_is_there_changes_no_byte() =>
        AdoptedEditor.Set(Text, [("F2", [("length", "\"1 m\"")])], whole: false).Should().Be(Text);

    [Fact]
    public void Windows_line_ends_stay()
    {
        var text = Text.ReplaceLineEndings("\r\n");
        var changed = AdoptedEditor.Set(text, [("F1", [("top-x", "\"none\"")]), ("F9", [("kind", "\"isolated\"")])], whole: false);
        changed.Replace("\r\n", "", StringComparison.Ordinal).Should().NotContain("\n");
        Read(text.Replace("00000000", "11111111", StringComparison.Ordinal)).Should().HaveCount(2);
    }

    [Fact]
    public void Marks_that_are_no_bare_keys_are_quoted()
    {
        var text = AdoptedEditor.Set("", [("F.1", [("kind", "\"isolated\"")])], whole: true);
        text.Should().Contain("[\"F.1\"]");
        AdoptedEditor.Set(text, [("F.1", [("kind", "\"x\"")])], whole: false).Should().Contain("kind = \"x\"").And.NotContain("isolated");
    }

    [Fact]
    public void The_digest_sees_values_not_layout()
    {
        var entry = Read(Text)[0];
        Read(Text.Replace("length = \"2000 mm\"", "length   =  \"2000 mm\" # same", StringComparison.Ordinal))[0].Digest.Should().Be(
            entry.Digest);
        Read(Text.Replace("length = \"2000 mm\"", "length = \"2001 mm\"", StringComparison.Ordinal))[0].Digest.Should().NotBe(entry.Digest);
        entry.ByHand.Should().BeTrue();
        Read(Text.Replace("00000000", entry.Digest, StringComparison.Ordinal))[0].ByHand.Should().BeFalse();
        Read(Text)[1].ByHand.Should().BeTrue("a table without digest was written by hand");
    }

    [Fact]
    public void Quoted_text_reads_back() => Gen.String.Sample(s =>
    {
        var clean = new string([.. s.Where(c => !char.IsSurrogate(c) && c != '\uFFFE' && c != '\uFFFF')]);
        var bag = new DiagnosticBag();
        var tree = Toml.TomlTree.Parse("a = " + TomlText.Quote(clean), "t", bag);
        return tree?["a"]?.Value is string back && back == clean;
    });
}
