using System.Collections.Immutable;
using WornPath.Core.Building;
using WornPath.Core.Printing;
using WornPath.Core.Tightening;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Workshops;

/// <summary>What the schools of a house change: the builder, the advice, the findings and what is printed.</summary>
public class SchoolTests
{
    private static Workshop House(School school, int way) => new() { Rules = new HouseRules { Schools = ImmutableSortedDictionary<string, string>.Empty.Add(school.Key, school.Ways[way].Word) } };

    private static Written Wheel() => new Written().Part("front wheel").Joint("wheel nuts", "130 N·m", holds: "front wheel").Set("wheel nuts", "count", "5").Set("wheel nuts", "pattern", "circle").Steps("Raise the tractor.", "Support the tractor on stands.", "Remove the wheel nuts and the front wheel.");

    [Theory]
    [InlineData(0, "Lower the vehicle until the tyres just touch. Torque the wheel nuts to 130 N·m. Lower the vehicle to the ground.")]
    [InlineData(1, "Lower the vehicle to the ground. Torque the wheel nuts to 130 N·m.")]
    public void Wheel_fasteners_get_their_torque_as_the_house_does_it(int way, string step)
    {
        var sheet = Wheel().In(House(School.WheelFasteners, way));
        ReverseBuilder.Propose(sheet.Walk(), "h1").ShouldContain(step);
        sheet.Do(ReverseBuilder.EditFor(sheet.Walk(), "h1")!);
        sheet.Findings().Where(f => f.Severity == Severity.Stop).ShouldBeEmpty();
    }

    [Theory]
    [InlineData(0, "first use or 100 km")]
    [InlineData(1, "the running time the maker names")]
    public void The_retorque_is_said_as_the_house_says_it(int way, string words) => ReverseBuilder.Propose(Wheel().In(House(School.Retorque, way)).Walk(), "h1")[^1].ShouldContain(words);

    [Theory]
    [InlineData(0, Treatment.ThreadlockerMedium)]
    [InlineData(1, Treatment.ThreadlockerHigh)]
    [InlineData(2, Treatment.None)]
    public void The_compound_advised_is_the_house_s(int way, Treatment advised)
    {
        var sheet = new Written().Joint("bracket bolts", "95 N·m", fastener: "M12 10.9 bolt");
        TreatmentAdvice.For(sheet.Sheet.Joints[0], sheet.Walk().Things, House(School.LockingCompound, way).Rules).Advised.ShouldBe(advised);
        // On a small screw low strength is put in every house: high would break it.
        var small = new Written().Joint("guard screws", "5 N·m", fastener: "M5 8.8 screw");
        TreatmentAdvice.For(small.Sheet.Joints[0], small.Walk().Things, House(School.LockingCompound, way).Rules).Advised.ShouldBe(Treatment.ThreadlockerLow);
    }

    [Fact]
    public void Where_each_is_torqued_as_it_is_fitted_that_is_no_finding()
    {
        var sheet = new Written().Part("plate").Joint("plate bolts", "24 N·m", holds: "plate").Joint("clamp bolts", "12 N·m", holds: "plate")
            .Steps("Remove the plate bolts, the clamp bolts and the plate.", "Fit the plate.", "Start the plate bolts by hand. Torque the plate bolts to 24 N·m.", "Start the clamp bolts by hand. Torque the clamp bolts to 12 N·m.");
        sheet.At("TRQ011").ShouldBe([3]);
        sheet.In(House(School.WhenToTorque, 1)).At("TRQ011").ShouldBeEmpty();
    }

    [Fact]
    public void A_lock_nut_used_once_more_asks_for_threadlocker_in_a_house_that_allows_it()
    {
        var sheet = new Written().Joint("cover nuts", "22 N·m", fastener: "M8 8.8 lock nut").Steps("Remove the cover nuts.", "Start the cover nuts by hand.", "Torque the cover nuts to 22 N·m.").In(House(School.OneTimeNut, 1));
        var found = sheet.Findings().Single(f => f.Rule == "PRT004");
        found.Message.ShouldContain("with medium-strength threadlocker");
        sheet.Do(found.Fixes[0].Edit);
        sheet.At("PRT004").ShouldBeEmpty();
    }

    [Fact]
    public void The_printed_sheet_has_the_practice_its_words_touch_and_no_other()
    {
        var practice = PrintedSheet.Of(Wheel().In(House(School.WheelFasteners, 1)).Walk()).Practice;
        practice.ShouldContain("Snug in the air, final torque on the ground.");
        practice.ShouldNotContain(p => p.Contains("Splines", StringComparison.Ordinal));
    }

    [Fact]
    public void Every_school_has_ways_with_reasons_and_keys_of_its_own()
    {
        School.All.Select(s => s.Key).ShouldBeUnique();
        foreach (var school in School.All)
        {
            school.Ways.Length.ShouldBeGreaterThanOrEqualTo(2);
            school.Ways.Select(w => w.Word).ShouldBeUnique();
            school.Ways.ShouldAllBe(w => w.Why.EndsWith('.') && w.Practice.EndsWith('.'));
        }
    }

    [Theory]
    [InlineData("WRD007", Severity.Hint, Severity.Warn)]
    [InlineData("TRQ010", Severity.Warn, Severity.Hint)]
    [InlineData("CLO001", Severity.Stop, Severity.Stop)]
    public void A_house_weighs_a_rule_as_it_likes_but_never_a_stop_lower(string rule, Severity usual, Severity here)
    {
        var rules = new HouseRules { Severities = ImmutableSortedDictionary<string, Severity>.Empty.Add(rule, here == Severity.Stop ? Severity.Hint : here) };
        rules.SeverityOf(rule, usual).ShouldBe(here);
    }
}
