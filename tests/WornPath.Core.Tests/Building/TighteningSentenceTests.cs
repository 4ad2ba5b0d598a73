using WornPath.Core.Workshops;
using CsCheck;
using WornPath.Core.Building;

namespace WornPath.Core.Tests.Building;

/// <summary>What the program writes about a joint, its own reader takes without a question, and the joint ends where it should.</summary>
public class TighteningSentenceTests
{
    private static Written After(string torque, string treatment = "none")
    {
        var sheet = new Written().Joint("cover bolts", torque, fastener: "M14x1.5 castle nut, 19 mm").Set("cover bolts", "treatment", treatment);
        var joint = sheet.Sheet.Joints[0];
        sheet.Steps("Remove the cover bolts.");
        if (treatment != "none") sheet.Steps("Clean the cover bolts.", TighteningSentence.Apply(joint));
        return sheet.Steps("Start the cover bolts by hand.", TighteningSentence.Of(joint));
    }

    private static void ShouldBeTaken(Written sheet)
    {
        sheet.Sheet.Steps.SelectMany(s => s.Questions).Select(q => $"{q.Kind}: {q.Phrase}").ShouldBeEmpty(sheet.Sheet.Steps.Last().Text);
        // The wait for the cure is the whole refit’s to write.
        sheet.Findings().Where(f => f.Severity > Severity.Hint && f.Rule != "THR009").Select(f => $"{f.Rule} {f.Message}").ShouldBeEmpty(sheet.Sheet.Steps.Last().Text);
    }

    [Theory]
    [InlineData("95 N·m")]
    [InlineData("22–28 N·m")]
    [InlineData("25 ± 3 N·m")]
    [InlineData("40 N·m + 90°")]
    [InlineData("60 N·m + next slot")]
    [InlineData("60 N·m + next slot within 30°")]
    [InlineData("seat 68 N·m, back 90°, set 30 N·m + next slot within 30°")]
    [InlineData("seat 50 lbf·ft, back 60°, set 22 lbf·ft")]
    [InlineData("108 lbf·in")]
    [InlineData("1.2 kgf·m")]
    [InlineData("snug")]
    [InlineData("2 flats past hand-tight")]
    [InlineData("to contact: bushing on the washer")]
    public void Every_kind_of_specification_has_a_sentence_that_is_read_back(string torque) => ShouldBeTaken(After(torque));

    [Theory]
    [InlineData("oil")]
    [InlineData("grease")]
    [InlineData("anti-seize")]
    [InlineData("threadlocker, low")]
    [InlineData("threadlocker, medium")]
    [InlineData("threadlocker, high")]
    [InlineData("retaining compound")]
    [InlineData("sealant")]
    public void Every_treatment_has_a_sentence_that_is_read_back(string treatment) => ShouldBeTaken(After("95 N·m", treatment));

    [Fact]
    public void Any_value_in_any_unit_is_read_back() => Gen.Select(Gen.Int[20, 9000], Gen.Int[0, 900], Gen.Enum<TorqueUnit>(), Gen.Int[0, 3]).Sample((low, more, unit, kind) =>
    {
        var made = TorqueSpec.Create(low / 10m, (low + more) / 10m, unit);
        if (!made.IsGood) return;
        var text = made.Value + (kind switch { 1 => " + next slot", 2 when more == 0 => " + 90°", _ => "" });
        if (TorqueText.Parse(text).IsGood) ShouldBeTaken(After(text));
    });

    [Fact]
    public void A_bearing_left_slack_is_mended_by_a_fix_that_seats_backs_off_and_sets()
    {
        var sheet = new Written().Joint("hub nut", "seat 40 N·m, back 90°, set 8 N·m", fastener: "M24x1.5 nut, 36 mm").Steps("Loosen the hub nut.", "Clean the axle.");
        sheet.Do(sheet.Findings().Single(f => f.Rule == "CLO002").Fixes[0].Edit);
        ShouldBeTaken(sheet);
        sheet.Sheet.Steps.Last().Text.ShouldContain("Back off the hub nut 90°");
    }
}
