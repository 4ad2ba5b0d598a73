namespace WornPath.Core.Tests.Quantities;

public class LengthTests
{
    // 1 in = 25.4 mm exactly (NIST SP 811, appendix B).
    [Theory]
    [InlineData("40", 40)]
    [InlineData("40 mm", 40)]
    [InlineData("1 in", 25.4)]
    [InlineData("1 1/4 in", 31.75)]
    [InlineData("1/2\"", 12.7)]
    [InlineData("2.5 inches", 63.5)]
    public void A_length_is_read_in_millimetres_and_inches(string written, double millimetres) => Length.Parse(written).Value.Millimetres.ShouldBe(millimetres, 1e-9);

    [Theory]
    [InlineData("")]
    [InlineData("long")]
    [InlineData("-3 mm")]
    [InlineData("1/0 in")]
    [InlineData("90000 mm")]
    public void What_is_no_length_is_refused(string written) => Length.Parse(written).Problem!.WhatToDo.ShouldNotBeEmpty();

    [Theory]
    [InlineData(0.375, "3/8")]
    [InlineData(1.25, "1 1/4")]
    [InlineData(2, "2")]
    [InlineData(0.3, "0.3")]
    public void Inches_are_printed_as_the_trade_writes_them(double inches, string printed) => Fraction.Show((decimal)inches).ShouldBe(printed);
}
