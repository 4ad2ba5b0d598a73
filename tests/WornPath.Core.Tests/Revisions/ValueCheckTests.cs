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
    public void A_reading_agrees_to_the_last_digit_the_sheet_states(string sheet, string read, bool agrees) => ValueChecks.Agrees(Spec(sheet), Spec(read)).ShouldBe(agrees);

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
            ValueChecks.Agrees(sheet, Spec(sheet.ToString())).ShouldBeTrue();
            var turned = int.Parse(digits, CultureInfo.InvariantCulture);
            if (turned != number) ValueChecks.Agrees(sheet, Spec(Text(turned))).ShouldBeFalse();
        });

    /// <summary>A joint stands as the gravest of its values, and a sheet is verified where all of its joints are.</summary>
    [Fact]
    public void A_joint_stands_as_the_gravest_of_its_values() => Gen.Int[0, 2].Array[1, 4].Sample(said =>
    {
        var joint = new Joint { Id = "J1", Name = "wheel nuts", Source = "Sample manual, p. 1", Variants = [.. said.Select((_, i) => new VariantValue($"option {i}", Spec($"{100 + i} N·m")))] };
        var values = StatedValue.Of(joint, []).ToList();
        ValueCheck[] checks = [.. values.Zip(said).Where(v => v.Second > 0).Select((v, i) => new ValueCheck("J1", v.First.Seal, v.First.Torque, v.Second == 1, $"reader {i}", default))];
        var whole = ValueChecks.Of(joint, [], [.. checks])!;
        whole.Standing.ShouldBe(said.Contains(2) ? ValueStanding.Differs : said.Contains(0) ? ValueStanding.Unverified : ValueStanding.Verified);
        var counted = said.Contains(2) ? checks.Where(c => !c.Agrees) : said.Contains(0) ? [] : checks;
        whole.Who.ShouldBe(string.Join(", ", counted.Select(c => c.Who)));
        ValueChecks.VerifiedBy(Sheet.Empty with { Joints = [joint] }, [.. checks]).ShouldBe(whole.Standing == ValueStanding.Verified ? whole.Who : "");
    });
}
