namespace Plinth.Cli.Tests;

/// <summary>Drawings through the built program.</summary>
public class DrawTests
{
    private static Folder Sized()
    {
        var f = new Folder();
        f.Run("size", "--all").Exit.Should().Be(0);
        return f;
    }

    private static byte[] File(Folder f, string name) => System.IO.File.ReadAllBytes(Path.Combine(f.Path, name));

    [Theory]
    [InlineData("plan.svg", "<?xml")]
    [InlineData("plan.pdf", "%PDF-")]
    [InlineData("plan.dxf", "0\nSECTION")]
    [InlineData("plan.png", "\u0089PNG")]
    public void The_plan_is_written_in_every_format_and_the_same_twice(string name, string start)
    {
        using var f = Sized();
        var ran = f.Run("draw", "--to", "out/" + name);
        ran.Exit.Should().Be(0, ran.Error);
        ran.Error.Should().Contain("Written to out/" + name).And.Contain("1:100");
        var first = File(f, "out/" + name);
        System.Text.Encoding.Latin1.GetString(first)[..start.Length].Should().Be(start);
        f.Run("draw", "--to", "out/" + name);
        File(f, "out/" + name).SequenceEqual(first).Should().BeTrue("same input, same bytes");
    }

    [Fact]
    public void Sheet_scale_and_revision_are_as_asked()
    {
        using var f = Sized();
        f.Run("draw", "--sheet", "a1", "--scale", "50", "--revision", "C2", "--to", "p.svg").Error.Should().Contain("A1, 1:50");
        f["p.svg"].Should().Contain(">C2<").And.Contain("width=\"841mm\"").And.Contain(">1:50<").And.NotContain(">preliminary<");
        f.Run("draw", "--to", "q.svg");
        f["q.svg"].Should().Contain(">preliminary<");
    }

    [Theory]
    [InlineData("drawings are written as .svg, .png, .pdf or .dxf", "--to", "plan.dwg")]
    [InlineData("--sheet A9 is not known; it is one of A4", "--sheet", "A9")]
    [InlineData("--scale 33 is not usual; it is one of 10, 20", "--scale", "33")]
    [InlineData("does not fit on A3 at 1:10", "--sheet", "A3", "--scale", "10")]
    public void What_cannot_be_drawn_is_told(string message, params string[] arguments)
    {
        using var f = Sized();
        var ran = f.Run(["draw", .. arguments]);
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(message);
        f.Has("out/foundation-plan.pdf").Should().BeFalse();
    }

    [Fact]
    public void Nothing_sized_is_no_drawing_and_what_is_missing_is_named()
    {
        using var f = new Folder();
        f.Run("draw", "--to", "p.svg").Error.Should().Contain("nothing is sized yet; run: plinth size");
        f.Run("size", "F1", "F2").Exit.Should().Be(0);
        var ran = f.Run("draw", "--to", "p.svg");
        ran.Exit.Should().Be(1);
        ran.Error.Should().Contain("Not sized yet, so not drawn: F3");
        f["p.svg"].Should().Contain(">F2<").And.NotContain(">F3<");
    }

    [Fact]
    public void Labels_stay_texts()
    {
        using var f = new Folder();
        f["plinth.toml"] = Folder.Toml.Replace("name = \"Test\"", "name = \"<script>alert(1)</script> & %%c\"");
        f.Run("size", "--all").Exit.Should().Be(0);
        f.Run("draw", "--to", "p.svg");
        f["p.svg"].Should().Contain("&lt;script&gt;alert(1)&lt;/script&gt; &amp; %%c").And.NotContain("<script>");
        f.Run("draw", "--to", "p.dxf");
        f["p.dxf"].Should().Contain("<script>alert(1)</script> & %%%%%%c");
    }

    [Fact]
    public void A_us_building_is_drawn_in_feet_and_inches()
    {
        using var f = Folder.Building("workshop-frame");
        f.Run("size", "--all").Exit.Should().Be(0);
        var ran = f.Run("draw", "--to", "p.svg");
        ran.Error.Should().Contain("ANSI");
        f["p.svg"].Should().Contain("25'-0\"").And.Contain("Dimensions and levels in feet and inches");
    }
}
