using WornPath.Core.Workshops;
using System.Globalization;
using CsCheck;

namespace WornPath.Core.Tests.Revisions;

public class ValueCheckTests
{
    private static TorqueSpec Spec(string text) => TorqueText.Parse(text).Value;

    [Theory]
    [InlineData("48 N·m", "48.0 Nm", true)]
    [InlineData("48 N·m", "84 N·m", false)]
    [InlineData("48 N·m", "48 N·m + 90°", false)]
    [InlineData("120–160 N·m", "120-160 N·m", true)]
    [InlineData("120–160 N·m", "140 N·m", false)]
    // The wrench is set elsewhere where the house takes the low end of a range: a value with a tolerance is not one.
    [InlineData("25 ± 3 N·m", "22–28 N·m", false)]
    [InlineData("40 N·m + 90°", "40 N·m + 90°", true)]
    [InlineData("60 N·m + next slot", "60 N·m", false)]
    [InlineData("seat 50 N·m, back 60°, set 8 N·m", "seat 50 N·m, back 90°, set 8 N·m", false)]
    // 35 lbf·ft are 47.45 N·m (NIST SP 811: 1 lbf·ft = 1.355 817 9 N·m, from memory).
    [InlineData("47 N·m", "35 lbf·ft", true)]
    [InlineData("47.5 N·m", "35 lbf·ft", true)]
    [InlineData("47.4 N·m", "35.0 lbf·ft", false)]
    [InlineData("50 N·m", "35 lbf·ft", false)]
    [InlineData("49.4 N·m", "36 lbf·ft", false)]
    // Twelvefold: the inch taken for the foot.
    [InlineData("9 lbf·ft", "9 lbf·in", false)]
    [InlineData("108 lbf·in", "9 lbf·ft", true)]
    public void A_reading_agrees_to_the_last_digit_the_sheet_states(string sheet, string read, bool agrees) => StatedTorque.Agrees(Spec(sheet), Spec(read)).ShouldBe(agrees);

    [Theory]
    [InlineData("0.9 L", "0.9 litres", true)]
    [InlineData("0.9 L", "900 ml", true)]
    [InlineData("0.9 L", "0.95 L", false)]
    [InlineData("3.8–4.0 L", "3.8 to 4.0 L", true)]
    [InlineData("3.8–4.0 L", "4.0 L", false)]
    // 1 US quart is 0.946353 L (NIST SP 811, table B.8).
    [InlineData("3.8 L", "4 qt", true)]
    [InlineData("4.0 L with filter, 3.7 L without", "4.0 L", false)]
    [InlineData("4.0 L with filter, 3.7 L without", "4.0 L with the filter and 3.7 L without", true)]
    public void An_amount_agrees_to_the_last_digit_the_sheet_states(string sheet, string read, bool agrees) =>
        new StatedAmount(new Fluid { Id = "F1", Name = "oil", Capacity = sheet }).Hold(read).Value.Agrees.ShouldBe(agrees);

    [Theory]
    [InlineData("at least 8.5 mm", "min. 8.5 mm", true)]
    [InlineData("at least 8.5 mm", "at most 8.5 mm", false)]
    [InlineData("at least 8.5 mm", "at least 0.335 in", true)]
    [InlineData("at least 8.5 mm", "at least 0.34 in", false)]
    [InlineData("0.05–0.10 mm", "0.05 to 0.1 mm", true)]
    [InlineData("0.05–0.10 mm", "0.05 to 0.10 bar", false)]
    [InlineData("0.05–0.10 mm", "0.10 to 0.05 mm", true)]
    [InlineData("9.5–10.5 mm", "10 ± 0.5 mm", true)]
    [InlineData("2.0–2.2 bar", "200–220 kPa", true)]
    [InlineData("2.0–2.2 bar", "at least 2.0 bar", false)]
    // 1 psi is 6.894757 kPa (NIST SP 811, appendix B.8): 30 psi are 2.07 bar.
    [InlineData("at most 2.1 bar", "at most 30 psi", true)]
    public void Limits_agree_to_the_last_digit_the_sheet_states(string sheet, string read, bool agrees) =>
        new StatedLimits(new Step { Id = "s1" }, 1, "gap", "", Limits.Find(sheet)!).Hold(read).Value.Agrees.ShouldBe(agrees);

    [Fact]
    public void What_is_no_amount_and_what_has_no_limits_is_refused_with_what_to_write()
    {
        new StatedAmount(new Fluid { Id = "F1", Name = "oil", Capacity = "0.9 L" }).Hold("full").Problem!.ToString().ShouldContain("such as 0.9 L");
        new StatedLimits(new Step { Id = "s1" }, 1, "gap", "", new Limits(1, 2, "mm")).Hold("1.5 mm").Problem!.ToString().ShouldContain("such as at least 8.5 mm");
    }

    /// <summary>Whatever the sheet states agrees with itself as printed; with its first and last digit turned it never does.</summary>
    [Fact]
    public void What_is_read_as_it_is_printed_agrees_and_turned_digits_never_do() => Gen
        .Select(Gen.Int[10, 999], Gen.Int[0, 1], Gen.OneOf(Gen.Const("N·m"), Gen.Const("lbf·ft"), Gen.Const("lbf·in")))
        .Where(v => v.Item1 % 10 != 0)
        .Sample((number, decimals, unit) =>
        {
            string Text(int n) => $"{(n / (decimal)Math.Pow(10, decimals)).ToString(CultureInfo.InvariantCulture)} {unit}";
            var digits = number.ToString(CultureInfo.InvariantCulture).ToCharArray();
            (digits[0], digits[^1]) = (digits[^1], digits[0]);
            var sheet = Spec(Text(number));
            StatedTorque.Agrees(sheet, Spec(sheet.ToString())).ShouldBeTrue();
            var turned = int.Parse(digits, CultureInfo.InvariantCulture);
            if (turned != number) StatedTorque.Agrees(sheet, Spec(Text(turned))).ShouldBeFalse();
        });

    /// <summary>A joint stands as the gravest of its values, and a sheet is verified where all of its joints are.</summary>
    [Fact]
    public void A_joint_stands_as_the_gravest_of_its_values() => Gen.Int[0, 2].Array[1, 4].Sample(said =>
    {
        var joint = new Joint { Id = "J1", Name = "wheel nuts", Source = "Sample manual, p. 1", Variants = [.. said.Select((_, i) => new VariantValue($"option {i}", Spec($"{100 + i} N·m")))] };
        var values = StatedTorque.Of(joint, []).ToList();
        ValueCheck[] checks = [.. values.Zip(said).Where(v => v.Second > 0).Select((v, i) => new ValueCheck("J1", v.First.Seal, v.First.Stands, v.Second == 1, $"reader {i}", default))];
        var whole = ValueChecks.Of(joint, [], [.. checks])!;
        whole.Standing.ShouldBe(said.Contains(2) ? ValueStanding.Differs : said.Contains(0) ? ValueStanding.Unverified : ValueStanding.Verified);
        var counted = said.Contains(2) ? checks.Where(c => !c.Agrees) : said.Contains(0) ? [] : checks;
        whole.Who.ShouldBe(string.Join(", ", counted.Select(c => c.Who)));
        ValueChecks.VerifiedBy(Sheet.Empty with { Joints = [joint] }, [.. checks]).ShouldBe(whole.Standing == ValueStanding.Verified ? whole.Who : "");
    });
}
