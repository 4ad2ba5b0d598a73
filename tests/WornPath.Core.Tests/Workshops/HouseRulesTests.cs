using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Workshops;

public class HouseRulesTests
{
    private static readonly HouseRules Good = new();

    private static readonly Wrench Tool = new() { Name = "TW-1", Min = 10, Max = 60, Unit = TorqueUnit.NewtonMetre, Step = 0.5m, Drive = "3/8 in" };

    public static TheoryData<string, HouseRules> Bad => new()
    {
        { "K, oiled", Good with { NutFactors = new NutFactors(Oiled: 2) } },
        { "K, anti-seize", Good with { NutFactors = new NutFactors(AntiSeize: double.NaN) } },
        { "scatter", Good with { Scatter = 0 } },
        { "shop temperature", Good with { ShopCelsius = 90 } },
        { "passes of a few", Good with { FewPasses = [50, 90] } },
        { "passes of a few", Good with { FewPasses = [] } },
        { "passes of many", Good with { ManyPasses = [70, 30, 100] } },
        { "passes of many", Good with { ManyPasses = [50, 50, 100] } },
        { "months", Good with { CalibrationMonths = 0 } },
        { "cycles", Good with { CalibrationCycles = 1 } },
        { "few", Good with { Few = 1 } },
    };

    [Theory]
    [MemberData(nameof(Bad))]
    public void A_rule_that_cannot_be_meant_is_named(string where, HouseRules rules) => HouseRules.Check(rules, Rules.Severities).Problem!.ToString().ShouldContain(where);

    [Fact]
    public void The_defaults_are_good() => HouseRules.Check(Good, Rules.Severities).Value.ShouldBe(Good);

    public static TheoryData<string, Wrench> BadTools => new()
    {
        { "no name", Tool with { Name = " " } },
        { "The range runs", Tool with { Min = 60, Max = 10 } },
        { "The range runs", Tool with { Min = 60 } },
        { "above zero", Tool with { Min = -5 } },
        { "beyond any hand", Tool with { Max = 90_000 } },
        { "A step", Tool with { Step = 0 } },
        { "A step", Tool with { Step = 80 } },
        { "no square drive", Tool with { Drive = "5/8 in" } },
        { "accuracy", Tool with { AccuracyPercent = 50 } },
        { "length", Tool with { LengthMm = 5 } },
        { "cycles", Tool with { Cycles = -1 } },
    };

    [Theory]
    [MemberData(nameof(BadTools))]
    public void A_tool_that_cannot_be_is_refused_with_the_reason(string says, Wrench wrench) => Wrench.Check(wrench).Problem!.ToString().ShouldContain(says);

    [Theory]
    [InlineData("2025-06-01", 0, "2026-06-02", true)]
    [InlineData("2025-06-01", 0, "2026-06-01", false)]
    [InlineData("2026-05-01", 4999, "2026-06-01", false)]
    [InlineData("2026-05-01", 5000, "2026-06-01", true)]
    [InlineData(null, 10, "2026-06-01", false)]
    public void A_tool_is_overdue_after_twelve_months_or_five_thousand_cycles(string? calibrated, int cycles, string today, bool overdue)
    {
        var wrench = Tool with { Calibrated = calibrated is null ? null : DateOnly.Parse(calibrated), Cycles = cycles };
        (wrench.OverdueOn(DateOnly.Parse(today), Good) is not null).ShouldBe(overdue);
    }

    [Theory]
    [InlineData(5, "1/4 in")]
    [InlineData(45, "3/8 in")]
    [InlineData(130, "1/2 in")]
    [InlineData(500, "3/4 in")]
    [InlineData(2000, "1 in")]
    public void The_square_grows_with_the_torque(double newtonMetres, string drive) => Wrench.UsualDrive(newtonMetres).ShouldBe(drive);
}
