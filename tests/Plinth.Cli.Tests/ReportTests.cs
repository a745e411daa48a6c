namespace Plinth.Cli.Tests;

/// <summary>Reports and figures through the built program.</summary>
public class ReportTests
{
    private static Folder Sized()
    {
        var f = new Folder();
        f.Run("size", "--all").Exit.Should().Be(0);
        return f;
    }

    private static string Start(Folder f, string name, int count = 5) =>
        System.Text.Encoding.Latin1.GetString(File.ReadAllBytes(Path.Combine(f.Path, name)))[..count];

    [Theory]
    [InlineData("r.html", "<!DOC")]
    [InlineData("r.pdf", "%PDF-")]
    [InlineData("r.docx", "PK\u0003\u0004")]
    public void A_report_is_written_in_every_format_and_the_same_twice(string name, string start)
    {
        using var f = Sized();
        var ran = f.Run("report", "--depth", "full", "--to", name);
        ran.Exit.Should().Be(0, ran.Error);
        ran.Error.Should().Contain($"Written to {name}: 3 foundations: 3 pass.");
        Start(f, name, start.Length).Should().Be(start);
        var first = File.ReadAllBytes(Path.Combine(f.Path, name));
        f.Run("report", "--depth", "full", "--to", name, "--quiet").Error.Should().BeEmpty();
        File.ReadAllBytes(Path.Combine(f.Path, name)).SequenceEqual(first).Should().BeTrue("same input, same bytes");
    }

    [Fact]
    public void The_report_says_the_numbers_that_check_says()
    {
        using var f = Sized();
        var checks = f.Run("check", "--format", "json").Json.GetProperty("foundations")[1];
        f.Run("report", "F2", "--to", "r.html", "--revision", "C3").Exit.Should().Be(0);
        var html = f["r.html"];
        html.Should().Contain("revision C3").And.Contain("F2, isolated footing under C2").And.NotContain("F1, isolated");
        foreach (var check in checks.GetProperty("checks").EnumerateArray()
            .Where(c => c.GetProperty("id").GetString() is "bearing" or "two-way-shear"))
        {
            html.Should().Contain(
                $"<td>{check.GetProperty("combination").GetString()}</td><td "
                    + $"class=\"n\">{check.GetProperty("demand").GetDouble().ToString(check.GetProperty("id").GetString() == "bearing" ? "0.0" : "0.000", System.Globalization.CultureInfo.InvariantCulture)}</td>");
        }
    }

    [Fact]
    public void A_combination_asked_for_is_the_one_that_is_told()
    {
        using var f = Sized();
        f.Run("report", "F2", "--depth", "full", "--combination", "S5:+WX", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"]
            .Should().Contain("bearing at C2, S5:+WX").And.Contain("two-way shear at C2, U",
                "a combination for the ground is none for the concrete");
    }

    [Fact]
    public void What_fails_is_told_and_sets_the_exit_code()
    {
        using var f = Sized();
        f.Run("set", "F2", "width=1.2 m");
        var ran = f.Run("report", "--depth", "summary", "--to", "r.html");
        ran.Exit.Should().Be(1);
        ran.Error.Should().Contain("1 FAIL");
        f["r.html"].Should().Contain("✗ FAIL").And.Contain("3 foundations: 2 pass, 1 FAIL.");
    }

    [Theory]
    [InlineData("reports are written as .html, .pdf or .docx", "--to", "r.txt")]
    [InlineData("--chapters weather is not known; it is one of basis, loads", "--chapters", "loads,weather")]
    [InlineData("there is no combination \"U99\"", "--combination", "U99")]
    [InlineData("no foundation has the mark \"F9\"", "F9")]
    public void What_cannot_be_reported_is_told(string message, params string[] arguments)
    {
        using var f = Sized();
        var ran = f.Run(["report", .. arguments]);
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(message);
        f.Has("out/report.html").Should().BeFalse();
    }

    [Theory]
    [InlineData("detail", "F1: plan")]
    [InlineData("bars", "Isometric")]
    [InlineData("pressure", "contact pressure")]
    [InlineData("sections", "critical sections")]
    [InlineData("forces", "along x")]
    [InlineData("steel", "bottom along x")]
    public void Each_figure_is_a_sheet_a_mark(string kind, string says)
    {
        using var f = Sized();
        f.Run("draw", "F1", "F3", "--what", kind, "--to", "fig.svg").Exit.Should().Be(0);
        f["fig-F1.svg"].Should().Contain(says);
        f.Has("fig-F3.svg").Should().BeTrue();
        f.Has("fig-F2.svg").Should().BeFalse();
        f.Run("draw", "F1", "--what", kind, "--to", "one.dxf").Exit.Should().Be(0);
        f.Has("one.dxf").Should().BeTrue();
    }

    [Fact]
    public void Marks_alone_are_drawn_as_details_and_maps_show_the_building()
    {
        using var f = Sized();
        f.Run("draw", "F1").Error.Should().Contain("Written to out/detail.pdf: A3");
        f.Run("draw", "--what", "utilisation", "--to", "u.svg").Exit.Should().Be(0);
        f["u.svg"].Should().Contain("What governs, most used first").And.Contain("room ");
        f.Run("draw", "--what", "loads", "--to", "l.svg").Exit.Should().Be(0);
        f["l-DEAD.svg"].Should().Contain(">N 420.0<").And.Contain(">1470.0<", "420 + 640 + 410");
        f.Run("draw", "--what", "loads", "--case", "WX", "--to", "w.svg").Error.Should().Contain("Written to w.svg");
        f.Run("draw", "F2", "--what", "pressure", "--combination", "S7:+WX", "--to", "p.svg");
        f["p.svg"].Should().Contain("S7:+WX: ΣN");
    }

    [Theory]
    [InlineData("leave the marks away", "F1", "--what", "plan")]
    [InlineData("--combination goes with", "--what", "detail", "--combination", "S2")]
    [InlineData("--case goes with --what loads", "--case", "DEAD")]
    [InlineData("there is no case \"SNOW\"; cases are DEAD, LIVE, WX", "--what", "loads", "--case", "SNOW")]
    [InlineData("nothing to draw: no pedestal (F1, F2, F3)", "--what", "pedestal")]
    [InlineData("did you mean", "F1", "--what", "pressure", "--combination", "S22")]
    public void Figures_that_make_no_sense_are_refused(string message, params string[] arguments)
    {
        using var f = Sized();
        var ran = f.Run(["draw", .. arguments]);
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(message);
    }

    [Fact]
    public void What_is_made_goes_into_the_projects_folder_wherever_it_is_called_from()
    {
        using var f = Sized();
        var elsewhere = Directory.CreateTempSubdirectory("plinth-elsewhere-");
        try
        {
            foreach (var command in new[] { "draw", "report" })
            {
                var ran = Program.Run(elsewhere.FullName, command, "--project", f.Path);
                ran.Exit.Should().Be(0);
                ran.Error.Should().Contain("Written to " + Path.Combine(f.Path, "out"));
            }

            elsewhere.EnumerateFileSystemInfos().Should().BeEmpty();
            f.Has("out/foundation-plan.pdf").Should().BeTrue();
            f.Has("out/report.html").Should().BeTrue();
        }
        finally
        {
            elsewhere.Delete(true);
        }
    }

    [Fact]
    public void A_combination_that_one_footing_leaves_out_is_told_for_the_others()
    {
        using var f = new Folder();
        f["plinth.toml"] = Folder.Toml + "[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nleave-out = [\"S5:+WX\"]\n";
        f.Run("size", "--all").Exit.Should().Be(0);
        f.Run("report", "--depth", "full", "--combination", "S5:+WX", "--to", "r.html").Exit.Should().Be(0);
        f["r.html"].Should().Contain("bearing at C2, S5:+WX").And.NotContain("bearing at C1, S5:+WX").And.Contain("left out: S5:+WX");
        var alone = f.Run("report", "F1", "--combination", "S5:+WX", "--to", "q.html");
        alone.Exit.Should().Be(2);
        alone.Error.Should().Contain("F1 leaves out combination S5:+WX");
    }

    [Fact]
    public void A_report_that_is_stopped_leaves_nothing_behind()
    {
        using var f = new Folder();
        const int count = 150;
        f["supports.csv"] = "support,x (m),y (m),cx (mm),cy (mm)\n"
            + string.Concat(Enumerable.Range(1, count).Select(i => $"C{i},{6 * i},0,400,400\n"));
        f["reactions.csv"] = "support,case,Fx (kN),Fy (kN),Fz (kN),Mx (kNm),My (kNm)\n"
            + string.Concat(Enumerable.Range(1, count)
                .Select(i => $"C{i},DEAD,2,0,420,0,5\nC{i},LIVE,0,0,100,0,0\nC{i},WX,-15,0,0,0,-30\n"));
        f.Run("size", "--all", "--quiet").Exit.Should().Be(0);
        var before = Directory.GetFiles(f.Path).Length;
        using var process = System.Diagnostics.Process.Start(Program.Interruptible(f.Path, "report", "--depth", "full", "--to", "r.pdf"))!;
        var clock = System.Diagnostics.Stopwatch.StartNew();
        while (Directory.GetFiles(f.Path, ".plinth-*.new").Length == 0)
        {
            process.HasExited.Should().BeFalse(process.HasExited ? process.StandardError.ReadToEnd() : "");
            clock.Elapsed.Should().BeLessThan(TimeSpan.FromSeconds(120));
            Thread.Sleep(5);
        }

        using (var interrupt = System.Diagnostics.Process.Start("kill", $"-INT {process.Id}"))
        {
            interrupt.WaitForExit();
        }

        process.WaitForExit(120_000).Should().BeTrue();
        process.ExitCode.Should().Be(130);
        process.StandardError.ReadToEnd().Should().Contain("stopped; nothing was written");
        Directory.GetFiles(f.Path).Should().HaveCount(before);
    }
}
