using WornPath.Core.Workshops;
using WornPath.Core.Revisions;

namespace WornPath.Core.Tests.Revisions;

public class LifeCycleTests
{
    private static readonly Finding Stop = new() { Rule = "CLO001", Severity = Severity.Stop, Title = "Joint left out", Message = "", StepNumber = 4 };

    [Fact]
    public void Nobody_releases_while_a_comment_is_open()
    {
        LifeCycle.Release(RevisionState.InReview, "odo", ["ines"], [], 0).ShouldBeNull();
        LifeCycle.Release(RevisionState.InReview, "odo", ["ines"], [], 2)!.What.ShouldBe("2 comments are open.");
        LifeCycle.Release(RevisionState.InReview, "odo", ["ines"], [Stop], 2)!.What.ShouldContain("CLO001", Case.Sensitive, "what stops it comes first");
    }

    [Fact]
    public void Nobody_releases_what_she_wrote_on() => LifeCycle.Release(RevisionState.InReview, "ines", ["ines"], [], 0).ShouldNotBeNull();

    [Fact]
    public void A_stop_finding_refuses_the_release_and_is_named() =>
        LifeCycle.Release(RevisionState.InReview, "odo", ["ines"], [Stop], 0)!.ToString().ShouldContain("step 4: Joint left out (CLO001)");

    [Fact]
    public void A_warning_refuses_it_until_somebody_gave_a_reason_and_a_hint_never_does()
    {
        var warning = Stop with { Severity = Severity.Warn };
        LifeCycle.Release(RevisionState.InReview, "odo", ["ines"], [warning], 0)!.What.ShouldContain("1 warning has no reason to stand: step 4");
        LifeCycle.Release(RevisionState.InReview, "odo", ["ines"], [warning with { Waiver = new Waiver(1, warning.Key, "", "Marta", default,
            "It is meant so.") }], 0).ShouldBeNull();
        LifeCycle.Release(RevisionState.InReview, "odo", ["ines"], [Stop with { Severity = Severity.Hint }], 0).ShouldBeNull();
    }

    [Theory]
    [InlineData(RevisionState.Draft, false)]
    [InlineData(RevisionState.InReview, true)]
    [InlineData(RevisionState.Released, false)]
    [InlineData(RevisionState.Superseded, false)]
    [InlineData(RevisionState.Withdrawn, false)]
    public void Only_what_is_in_review_is_called_back(RevisionState state, bool may) => (LifeCycle.CallBack(state) is null).ShouldBe(may);

    [Fact]
    public void Who_has_read_another_value_reads_it_again_with_a_reason_only()
    {
        LifeCycle.ReadAgain(false, null).ShouldBeNull();
        LifeCycle.ReadAgain(true, null).ShouldNotBeNull();
        LifeCycle.ReadAgain(true, "  no ").ShouldNotBeNull();
        LifeCycle.ReadAgain(true, "took the line above").ShouldBeNull();
    }

    [Fact]
    public void Before_a_release_it_is_said_what_it_is_and_what_stands_with_a_reason()
    {
        var sheet = new Written().Joint("plug", "35 N·m", source: "MD-12 p. 4").Steps("Torque the plug to 35 N·m.", "Clean the face.").Sheet;
        var waived = Stop with { Severity = Severity.Warn, Title = "No pattern", Waiver = new Waiver(1, "k", "", "Marta", default, "It is meant so.") };
        var check = new ValueCheck("J1", StatedValue.All(sheet).Single().Seal, StatedValue.All(sheet).Single().Stands, true, "Odo", default);
        Releasing.Of(sheet, [waived, Stop with { Severity = Severity.Hint }], [check]).ShouldBe(
            ["2 steps in 1 phase.", "1 value, read from its source by Odo.", "A warning stands at step 4: No pattern. Marta: “It is meant so.”", "1 hint left as it is."]);
        Releasing.Of(sheet, [], []).ShouldBe(["2 steps in 1 phase.", "1 value, not all read from where they are taken."]);
        Releasing.Ways(new HouseRules()).Length.ShouldBe(School.All.Length);
    }

    [Theory]
    [InlineData(RevisionState.Draft, true)]
    [InlineData(RevisionState.InReview, false)]
    [InlineData(RevisionState.Released, false)]
    [InlineData(RevisionState.Superseded, false)]
    [InlineData(RevisionState.Withdrawn, false)]
    public void Only_a_draft_is_edited(RevisionState state, bool may) => (LifeCycle.Edit(state) is null).ShouldBe(may);

    [Fact]
    public void An_empty_sheet_is_not_sent_and_a_return_needs_a_reason()
    {
        LifeCycle.Send(RevisionState.Draft, Sheet.Empty).ShouldNotBeNull();
        LifeCycle.Return(RevisionState.InReview, "  ").ShouldNotBeNull();
        LifeCycle.Return(RevisionState.InReview, "J3 needs a source.").ShouldBeNull();
    }

    // ASME Y14.35, from memory: letters I, O, Q, S, X and Z are not used; after Y come two letters.
    [Theory]
    [InlineData("A", "B")]
    [InlineData("H", "J")]
    [InlineData("N", "P")]
    [InlineData("Y", "AA")]
    [InlineData("AY", "BA")]
    [InlineData("YY", "AAA")]
    public void Revision_letters_leave_out_what_is_mistaken(string letter, string next) => RevisionLetter.Next(letter).ShouldBe(next);

    [Fact]
    public void What_was_released_is_changed_with_a_reason_and_what_is_new_needs_none()
    {
        LifeCycle.SayWhy(false, "").ShouldBeNull();
        LifeCycle.SayWhy(true, "The third edition says so.").ShouldBeNull();
        LifeCycle.SayWhy(true, "  ok  ").ShouldNotBeNull();
        LifeCycle.SayWhy(true, new string('x', 2001)).ShouldNotBeNull();
        LifeCycle.SayWhy(false, new string('x', 2001)).ShouldNotBeNull();
    }
}
