using CsCheck;

namespace WornPath.Core.Tests.Quantities;

public class TorqueTests
{
    // NIST SP 811 (2008), appendix B.8, from memory: the factors as printed there, to their seven digits.
    [Theory]
    [InlineData(TorqueUnit.PoundForceFoot, 1.355818)]
    [InlineData(TorqueUnit.PoundForceInch, 0.1129848)]
    [InlineData(TorqueUnit.KilogramForceMetre, 9.80665)]
    public void A_unit_is_as_many_newton_metres_as_the_published_factor_says(TorqueUnit unit, double factor) =>
        unit.InNewtonMetres().ShouldBe(factor, factor * 5e-7);

    // Spelled here from the ones, teens and tens, and read back, in a sentence as well.
    [Fact]
    public void A_value_in_words_is_the_number_it_spells()
    {
        string[] ones = ["", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen",
            "fourteen", "fifteen",
            "sixteen", "seventeen", "eighteen", "nineteen"];
        string[] tens = ["", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"];
        string Below(int n) => n < 20 ? ones[n] : n % 10 == 0 ? tens[n / 10] : $"{tens[n / 10]}-{ones[n % 10]}";
        string Spelled(int n) => n < 100 ? Below(n) : $"{ones[n / 100]} hundred{(n % 100 == 0 ? "" : $" and {Below(n % 100)}")}";
        for (var n = 2; n < 1000; n++)
        {
            TorqueText.Parse($"{Spelled(n)} newton metres").Value.ToString().ShouldBe($"{n} N·m");
            TorqueText.FindAll($"Torque the nuts to {Spelled(n)} foot-pounds in a star.").ShouldHaveSingleItem().Spec.Value.ToString().ShouldBe($"{n} lbf·ft");
        }

        TorqueText.FindAll("One newton of force, two pounds of grease and nine inch bolts.").ShouldBeEmpty();
    }

    [Theory]
    [InlineData("95 Nm", "95 N·m")]
    [InlineData("95 N·m", "95 N·m")]
    [InlineData("95 N-m", "95 N·m")]
    [InlineData("95 newton metres", "95 N·m")]
    [InlineData("ten newton metres", "10 N·m")]
    [InlineData("A hundred and twenty foot-pounds", "120 lbf·ft")]
    [InlineData("thirty-five Nm", "35 N·m")]
    [InlineData("70 ft-lb", "70 lbf·ft")]
    [InlineData("70 lb-ft", "70 lbf·ft")]
    [InlineData("70 ft. lbs.", "70 lbf·ft")]
    [InlineData("24 foot pounds", "24 lbf·ft")]
    [InlineData("108 in lbs", "108 lbf·in")]
    [InlineData("108 inch-pounds", "108 lbf·in")]
    [InlineData("1.2 kgf·m", "1.2 kgf·m")]
    [InlineData("120 kg-cm", "120 kgf·cm")]
    [InlineData("22–28 N·m", "22–28 N·m")]
    [InlineData("22 to 28 Nm", "22–28 N·m")]
    [InlineData("22-28Nm", "22–28 N·m")]
    [InlineData("25 ± 3 N·m", "25 ± 3 N·m")]
    [InlineData("25 N·m +/- 10%", "25 ± 2.5 N·m")]
    [InlineData("60 Nm then on to the next slot", "60 N·m + next slot")]
    [InlineData("60 N·m + next slot within 30°", "60 N·m + next slot within 30°")]
    [InlineData("seat 50 lb-ft while turning, back off 90 degrees, set to 22 lb-ft", "seat 50 lbf·ft, back 90°, set 22 lbf·ft")]
    [InlineData("seat at 68 Nm turning; back 1 flat; set 30 Nm, next slot within 30°", "seat 68 N·m, back 60°, set 30 N·m + next slot within 30°")]
    [InlineData("50 lbf·ft, back 90°", "50 lbf·ft, back 90°")]
    [InlineData("40 N·m + 90°", "40 N·m + 90°")]
    [InlineData("40 Nm then 90 degrees", "40 N·m + 90°")]
    [InlineData("9,5 Nm", "9.5 N·m")]
    public void What_people_write_for_a_torque_is_read(string written, string read) => TorqueText.Parse(written).Value.ToString().ShouldBe(read);

    [Theory]
    [InlineData("", "cannot be read")]
    [InlineData("tight", "cannot be read")]
    [InlineData("45", "no unit")]
    [InlineData("45 bananas", "not a unit")]
    [InlineData("-5 Nm", "cannot be set")]
    [InlineData("0 Nm", "cannot be set")]
    [InlineData("90000 Nm", "beyond any hand torque wrench")]
    [InlineData("99999999999999999999999999999999 Nm", "not a number")]
    [InlineData("28–22 N·m", "above the high end")]
    [InlineData("1,000 Nm", "two ways")]
    [InlineData("40 N·m + 9000°", "cannot be meant")]
    [InlineData("25 ± -3 N·m", "without a sign")]
    [InlineData("25 ± 30 N·m", "cannot be set")]
    [InlineData("40 N·m + 90° + next slot", "no slot to find")]
    [InlineData("60 N·m + next slot within 200°", "between 1° and 90°")]
    [InlineData("seat 20 N·m, back 90°, set 60 N·m", "Seat at the higher value")]
    [InlineData("seat 60 N·m, back some, set 20 N·m", "not an angle")]
    [InlineData("60 N·m, back 500°", "cannot be meant")]
    public void What_cannot_be_meant_is_refused_with_a_reason(string written, string reason) => TorqueText.Parse(written).Problem!.ToString().ShouldContain(reason);

    [Fact]
    public void A_bare_number_is_taken_in_the_sheets_unit() => TorqueText.Parse("45", TorqueUnit.PoundForceFoot).Value.ToString().ShouldBe("45 lbf·ft");

    [Fact]
    public void Every_specification_is_read_back_from_its_print() => Gen
        .Select(Gen.Int[1, 40000], Gen.Int[0, 2000], Gen.Enum<TorqueUnit>(), Gen.Int[0, 720])
        .Sample((low, more, unit, angle) =>
        {
            var made = TorqueSpec.Create(low / 100m, (low + more) / 100m, unit, angle == 0 ? null : angle);
            if (!made.IsGood) return;
            TorqueText.Parse(made.Value.ToString()).Value.ShouldBe(made.Value);
            foreach (var tail in (string[])[" + next slot", " + next slot within 30°", ", back 90°"])
            {
                var longer = TorqueText.Parse(made.Value + tail);
                if (longer.IsGood) TorqueText.Parse(longer.Value.ToString()).Value.ShouldBe(longer.Value);
            }
        });

    [Theory]
    [InlineData("snug", "snug")]
    [InlineData("Two flats past hand tight", "2 flats past hand-tight")]
    [InlineData("1 flat past finger-tight", "1 flat past hand-tight")]
    [InlineData("to contact: bushing on the washer", "to contact: bushing on the washer")]
    public void A_joint_may_be_tightened_without_a_torque(string written, string read)
    {
        Untorqued.IsMeant(written).ShouldBeTrue();
        Untorqued.Parse(written).Value.ToString().ShouldBe(read);
        Untorqued.Parse(read).Value.ShouldBe(Untorqued.Parse(written).Value);
    }

    [Theory]
    [InlineData("to contact", "what meets what")]
    [InlineData("99 flats past hand-tight", "up to 12")]
    [InlineData("plenty tight", "no way to tighten")]
    public void A_vague_word_for_tight_is_refused(string written, string reason) => Untorqued.Parse(written).Problem!.ToString().ShouldContain(reason);

    [Fact]
    public void A_range_is_set_where_the_house_rule_says_and_a_tolerance_at_its_value()
    {
        TorqueText.Parse("120–160 lbf·ft").Value.TargetBy(RangeTarget.Low).ToString().ShouldBe("120 lbf·ft");
        TorqueText.Parse("120–160 lbf·ft").Value.TargetBy(RangeTarget.High).ToString().ShouldBe("160 lbf·ft");
        TorqueText.Parse("120–160 lbf·ft").Value.Target.ToString().ShouldBe("140 lbf·ft");
        TorqueText.Parse("25 ± 3 N·m").Value.TargetBy(RangeTarget.Low).ToString().ShouldBe("25 N·m");
    }

    [Fact]
    public void A_converted_range_is_never_wider_than_the_original() => Gen
        .Select(Gen.Int[50, 30000], Gen.Int[1, 8000], Gen.Enum<TorqueUnit>(), Gen.Enum<TorqueUnit>())
        .Sample((low, more, from, to) =>
        {
            var made = TorqueSpec.Create(low / 100m, (low + more) / 100m, from);
            if (!made.IsGood) return;
            var shown = TorqueText.Parse(made.Value.ShownIn(to));
            if (!shown.IsGood) return;
            double slack = from == to ? 1e-9 : 0.006 * to.InNewtonMetres();
            new Torque(shown.Value.Low, to).NewtonMetres.ShouldBeGreaterThanOrEqualTo(new Torque(made.Value.Low, from).NewtonMetres - slack);
            new Torque(shown.Value.High, to).NewtonMetres.ShouldBeLessThanOrEqualTo(new Torque(made.Value.High, from).NewtonMetres + slack);
        });

    [Fact]
    public void Values_are_found_inside_a_sentence_and_sizes_are_not()
    {
        var found = TorqueText.FindAll("With a 17 mm socket torque the 2 bolts (M12x1.25) to 50 N·m, then 95 Nm (70 lb-ft).").Select(f => f.Spec.Value.ToString());
        found.ShouldBe(["50 N·m", "95 N·m", "70 lbf·ft"]);
    }

    [Theory]
    [InlineData("90°", 90)]
    [InlineData("1 flat", 60)]
    [InlineData("two flats", 120)]
    [InlineData("1/4 turn", 90)]
    [InlineData("half a turn", 180)]
    [InlineData("two and a half turns", 900)]
    [InlineData("one-and-a-half turns", 540)]
    [InlineData("1 and a half turns", 540)]
    [InlineData("a turn and a half", 540)]
    [InlineData("two turns and a quarter", 810)]
    [InlineData("one and three quarters turns", 630)]
    [InlineData("a flat and a half", 90)]
    public void An_angle_is_read_in_degrees_flats_and_turns(string written, double degrees) => ((double)Angle.Parse(written).Value.Degrees).ShouldBe(degrees);

    // What is shown in another unit is off by one per cent at most; a hand wrench is set no finer.
    [Fact]
    public void What_is_shown_is_never_off_by_more_than_one_per_cent() => CsCheck.Gen.Double[0.06, 490].Sample(reading =>
        Math.Abs((double)Rounding.ToSettable(reading) - reading).ShouldBeLessThanOrEqualTo(0.0101 * reading));

    [Theory]
    [InlineData("0.5 N·m", TorqueUnit.KilogramForceMetre, 0.051)]
    [InlineData("16.27 N·m", TorqueUnit.PoundForceFoot, 12)]
    [InlineData("32.54 N·m", TorqueUnit.PoundForceFoot, 24)]
    [InlineData("95 N·m", TorqueUnit.PoundForceFoot, 70)]
    public void Small_values_are_shown_as_they_are(string written, TorqueUnit unit, double shown) =>
        ((double)Rounding.ToSettable(TorqueText.Parse(written).Value.Target.In(unit))).ShouldBe(shown, 0.0006);
}
