using CsCheck;
using Plinth.Core.Units;

namespace Plinth.Core.Tests;

/// <summary>Units as people and exports write them.</summary>
public class UnitTests
{
    private static double Read(string text, Measure measure)
    {
        Quantity.TryRead(text, measure, out var value, out var fault).Should().BeTrue(fault);
        return value;
    }

    [Theory]
    [InlineData("2.4 m", 2.4)]
    [InlineData("600 mm", 0.6)]
    [InlineData("60cm", 0.6)]
    [InlineData("7 ft 6 in", 2.286)]
    [InlineData("7'-6\"", 2.286)]
    [InlineData("7'-6 1/2\"", 2.2987)]
    [InlineData("7' 6 1/2\"", 2.2987)]
    [InlineData("3/4 in", 0.01905)]
    [InlineData("18 in", 0.4572)]
    [InlineData("-0.5 ft", -0.1524)]
    [InlineData("-1'-6\"", -0.4572)]
    [InlineData("2e3 mm", 2)]
    public void Lengths(string text, double metres) => Read(text, Measure.Length).Should().BeApproximately(metres, 1e-9);

    [Theory]
    [InlineData("150 kPa", 150)]
    [InlineData("0.15 MPa", 150)]
    [InlineData("30 N/mm2", 30000)]
    [InlineData("150 kN/m²", 150)]
    [InlineData("4 ksf", 191.5210)]
    [InlineData("3000 psi", 20684.27)]
    [InlineData("1 kgf/cm2", 98.0665)]
    [InlineData("1 tonf/m2", 9.80665)]
    [InlineData("60 ksi", 413685.44)]
    public void Pressures(string text, double kPa) => Read(text, Measure.Pressure).Should().BeApproximately(kPa, 1e-6 * kPa);

    [Theory]
    [InlineData("kN-m", 1)]
    [InlineData("kN·m", 1)]
    [InlineData("kNm", 1)]
    [InlineData("kN m", 1)]
    [InlineData("KN-m", 1)]
    [InlineData("kip-ft", 1.3558179)]
    [InlineData("k-ft", 1.3558179)]
    [InlineData("kip ft", 1.3558179)]
    [InlineData("kipf ft", 1.3558179)]
    [InlineData("tonf-m", 9.80665)]
    [InlineData("N*mm", 1e-6)]
    public void Moment_units(string text, double kNm)
    {
        UnitReader.TryRead(text, out var unit).Should().BeTrue();
        unit.Measures(Measure.Moment).Should().BeTrue();
        unit.Factor.Should().BeApproximately(kNm, 1e-6 * kNm);
    }

    [Theory]
    [InlineData("24 kN/m3", 24)]
    [InlineData("150 pcf", 23.563)]
    [InlineData("24 MN/m3", 24000)]
    [InlineData("100 pci", 27144.7)]
    public void Weights_per_volume(string text, double value) =>
        Read(text, Measure.UnitWeight).Should().BeApproximately(value, 1e-4 * value);

    [Theory]
    [InlineData("200", "has no unit; write for example \"200 kPa\"")]
    [InlineData("200 kN", "is a force, but a pressure is needed")]
    [InlineData("200 furlong", "\"furlong\" is not a unit known here")]
    [InlineData("abc", "does not begin with a number")]
    [InlineData("1e999 kPa", "does not begin with a number")]
    [InlineData("NaN kPa", "does not begin with a number")]
    [InlineData("", "does not begin with a number")]
    [InlineData("200 kPa kPa kPa", "is force^3")]
    [InlineData("12,5 kPa", "is not a unit")]
    public void What_is_wrong_is_said(string text, string message)
    {
        Quantity.TryRead(text, Measure.Pressure, out _, out var fault).Should().BeFalse();
        fault.Should().Contain(message);
    }

    [Fact]
    public void What_is_shown_reads_back() =>
        Gen.Double[0.001, 1e5].Sample(v =>
        {
            foreach (var (unit, measure) in new[] { (Unit.Length, Measure.Length), (Unit.Force, Measure.Force),
                (Unit.Moment, Measure.Moment), (Unit.Pressure, Measure.Pressure), (Unit.Stress, Measure.Pressure),
                (Unit.UnitWeight, Measure.UnitWeight), (Unit.Section, Measure.Length) })
            {
                foreach (var system in Enum.GetValues<UnitSystem>())
                {
                    var text = FormattableString.Invariant($"{unit.In(v, system):R} {unit.Symbol(system)}");
                    Read(text, measure).Should().BeApproximately(v, 1e-9 * v, text);
                }
            }
        });

    [Theory]
    [InlineData(0, "0")]
    [InlineData(12345.6, "12346")]
    [InlineData(0.0021807, "0.002181")]
    [InlineData(-4.5, "-4.5")]
    [InlineData(0.49999999, "0.5")]
    public void Significant_digits(double value, string text) => Unit.Significant(value).Should().Be(text);

    [Fact]
    public void No_negative_zero() => Unit.Force.Format(-0.01, UnitSystem.Metric).Should().Be("0.0");

    [Fact]
    public void Marks_stand_in_natural_order() =>
        new[] { "F10", "F2", "PC1", "F1", "CF2", "F02" }.Order(Buildings.MarkOrder.Natural)
            .Should().Equal("CF2", "F1", "F02", "F2", "F10", "PC1");
}
