using CsCheck;
using Plinth.Core.Units;

namespace Plinth.Core.Tests;

/// <summary>Sizes as drawings and schedules write them, in both systems.</summary>
public class DimensionTests
{
    private const double Sixteenth = 0.0254 / 16;

    [Theory]
    [InlineData(108, "9'-0\"", "108\"", "9'-0\"")]
    [InlineData(16, "1'-4\"", "16\"", "1'-4\"")]
    [InlineData(150.5, "12'-6 1/2\"", "150 1/2\"", "12'-6 1/2\"")]
    [InlineData(0.75, "0'-0 3/4\"", "3/4\"", "3/4\"")]
    [InlineData(4.25, "0'-4 1/4\"", "4 1/4\"", "4 1/4\"")]
    [InlineData(11.9375, "0'-11 15/16\"", "11 15/16\"", "11 15/16\"")]
    [InlineData(11.99, "1'-0\"", "12\"", "1'-0\"")]
    [InlineData(12, "1'-0\"", "12\"", "1'-0\"")]
    [InlineData(0, "0'-0\"", "0\"", "0\"")]
    [InlineData(-66, "−5'-6\"", "−66\"", "−5'-6\"")]
    [InlineData(-0.01, "0'-0\"", "0\"", "0\"")]
    public void Feet_and_inches_to_the_sixteenth(double inches, string feet, string asInches, string bar)
    {
        var metres = inches * 0.0254;
        Dimension.Feet(metres).Should().Be(feet);
        Dimension.Inches(metres).Should().Be(asInches);
        Dimension.Bar(metres).Should().Be(bar);
    }

    [Fact]
    public void What_is_written_reads_back_to_the_same_sixteenth() => Gen.Double[-40, 40].Sample(
        metres =>
        {
            foreach (var text in new[] { Dimension.Feet(metres), Dimension.Inches(metres), Dimension.Bar(metres) })
            {
                var plain = text.Replace('−', '-');
                Quantity.TryRead(plain, Measure.Length, out var read, out var fault).Should().BeTrue($"{plain}: {fault}");
                read.Should().BeApproximately(metres, (Sixteenth / 2) + 1e-9, plain);
            }
        },
        iter: 2000);

    [Fact]
    public void A_step_of_a_sixteenth_is_always_seen() => Gen.Int[-5000, 5000].Sample(
        n =>
        {
            Dimension.Feet(n * Sixteenth).Should().NotBe(Dimension.Feet((n + 1) * Sixteenth));
            Dimension.Inches(n * Sixteenth).Should().NotBe(Dimension.Inches((n + 1) * Sixteenth));
            Dimension.Feet(n * Sixteenth).Should().NotContain("12\"").And.NotContain("-12 ");
        },
        iter: 1000);

    [Fact]
    public void Headings_bear_the_unit_only_where_sizes_do_not()
    {
        Dimension.Heading("plan", Unit.Length, UnitSystem.Metric).Should().Be("plan m");
        Dimension.Heading("plan", Unit.Length, UnitSystem.Us).Should().Be("plan");
        Dimension.Plan(2.4, UnitSystem.Metric).Should().Be("2.40 m");
        Dimension.PlainPlan(2.4, UnitSystem.Metric).Should().Be("2.40");
        Dimension.Section(0.4, UnitSystem.Metric).Should().Be("400 mm");
        Dimension.PlainSection(0.4, UnitSystem.Metric).Should().Be("400");
        Dimension.Plan(2.7432, UnitSystem.Us).Should().Be("9'-0\"");
        Dimension.Section(0.4064, UnitSystem.Us).Should().Be("16\"");
    }

    [Fact]
    public void A_cubic_yard_is_twenty_seven_cubic_feet()
    {
        Unit.Volume.In(27 * Math.Pow(0.3048, 3), UnitSystem.Us).Should().BeApproximately(1, 1e-12);
        Unit.Volume.Symbol(UnitSystem.Us).Should().Be("yd3");
        Unit.Volume.FormatWithSymbol(3.5, UnitSystem.Metric).Should().Be("3.50 m3");
    }

    [Theory]
    [InlineData("#3 @ 10 in", "#3 @ 10\"")]
    [InlineData("#5 @ 7.5 in", "#5 @ 7.5\"")]
    [InlineData("8 #6", "8 #6")]
    [InlineData("12 #5 hooked", "12 #5 hooked")]
    [InlineData("T16 @ 175 mm", "T16 @ 175 mm")]
    [InlineData("9 + 4 T16 banded", "9 + 4 T16 banded")]
    [InlineData("none", "none")]
    public void Bars_are_drawn_with_marks_and_written_with_units(string written, string drawn)
    {
        var bars = Given.Bars(written);
        bars.Drawn.Should().Be(drawn);
        bars.ToString().Should().Be(written, "what is written into files reads back");
        Given.Bars(bars.ToString()).Should().Be(bars);
    }
}
