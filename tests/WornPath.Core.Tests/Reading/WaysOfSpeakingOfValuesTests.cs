using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// A value, a tool or a deed that is only spoken of is not done here: what was or will be, what somebody else does, what would be wrong, what a
/// table or a tool says. And beside it, what is told is done.
/// </summary>
public class WaysOfSpeakingOfValuesTests
{
    // Nothing is tightened, taken off or fitted here: "v" is a value.
    private static readonly Func<string, string>[] SpokenOf =
    [
        v => $"The tray bolts were tightened to {v} at the factory.",
        v => $"The tray bolts have been tightened to {v} before delivery.",
        v => $"The tray bolts had been tightened to {v}.",
        v => $"The tray bolts will be tightened to {v} in step 20.",
        v => $"The tray bolts will be tightened to {v} later.",
        v => $"Later the tray bolts will be tightened to {v}.",
        v => $"Later on you will tighten the tray bolts to {v}.",
        v => $"The tray bolts are not tightened to {v} yet.",
        v => $"The tray bolts are not yet tightened to {v}.",
        v => $"Do not tighten the tray bolts to {v} yet.",
        v => $"Never tighten the tray bolts to more than {v}.",
        v => $"Do not exceed {v} on the tray bolts.",
        v => $"More than {v} would strip the tray bolts.",
        v => $"Anything over {v} will strip the tray bolts.",
        v => $"If the tray bolts were tightened to {v}, the frame would bend.",
        v => $"Tightening the tray bolts to {v} now would bend the frame.",
        v => $"Tightening the tray bolts to {v} is described later.",
        v => $"The tightening of the tray bolts to {v} is described later.",
        v => $"How to tighten the tray bolts to {v} is shown on page 12.",
        v => $"For tightening the tray bolts to {v} see page 12.",
        v => $"See page 12 for tightening the tray bolts to {v}.",
        v => $"You need a torque wrench for tightening the tray bolts to {v}.",
        v => $"Have a torque wrench ready to tighten the tray bolts to {v}.",
        v => $"Earlier editions said to tighten the tray bolts to {v}.",
        v => $"Some manuals tell you to tighten the tray bolts to {v}.",
        v => $"The dealer tightens the tray bolts to {v}.",
        v => $"The maker tightens the tray bolts to {v}.",
        v => $"It is wrong to tighten the tray bolts to {v}.",
        v => $"It would be wrong to tighten the tray bolts to {v}.",
        v => $"There is no need to tighten the tray bolts to {v}.",
        v => $"It is not necessary to tighten the tray bolts to {v}.",
        v => $"You need not tighten the tray bolts to {v}.",
        v => $"You do not have to tighten the tray bolts to {v}.",
        v => $"Avoid tightening the tray bolts to more than {v}.",
        v => $"Before the tray bolts are tightened to {v}, wipe the frame.",
        v => $"Before tightening the tray bolts to {v}, wipe the frame.",
        v => $"Before you tighten the tray bolts to {v}, wipe the frame.",
        v => $"Wipe the frame before the tray bolts are tightened to {v}.",
        v => $"Wipe the frame so that the tray bolts can be tightened to {v}.",
        v => $"Wipe the frame to be able to tighten the tray bolts to {v}.",
        v => $"Wipe the frame; it has to be dry when the tray bolts are tightened to {v}.",
        v => $"Hold the frame still until the tray bolts are tightened to {v} in the next step.",
    ];

    public static TheoryData<int> Numbers => [.. Enumerable.Range(0, SpokenOf.Length)];

    [Theory]
    [MemberData(nameof(Numbers))]
    public void What_is_only_spoken_of_is_not_done(int number) =>
        new[] { "25 N·m", "18 lbf·ft", "30 Nm" }.Select(v =>
        {
            var written = new Written().Joint("hub nuts", "80 N·m").Joint("tray bolts", "25 N·m").Part("frame")
                .Steps("Start the hub nuts and the tray bolts by hand.", SpokenOf[number](v));
            var step = written.Step(2);
            var done = step.Actions.Where(a => Changes(a) && a.Verb is not (Verb.Place or Verb.Set)).ToArray();
            // Asking what becomes of a value is right; doing it is not.
            return done.Length == 0 && step.Questions.All(q => q.Kind == QuestionKind.Unclear) && written.Sheet.Joints.Length == 2
                && written.Sheet.Parts.Length == 1 ? null
                : $"{(step.Questions is [{ } asked, ..] ? $"asked {asked.Kind} {asked.Phrase}: " : "")}{SpokenOf[number](v)} → {string.Join("; ", done.Select(a => $"{a.Verb} {a.Target} {a.Torque}"))}";
        }).Where(f => f != null).ShouldBeEmpty();

    /// <summary>What is told beside it is done, once and with its own value.</summary>
    [Theory]
    [InlineData("A torque wrench is needed to tighten the tray bolts to 25 N·m. Tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("The tray bolts were tightened to 30 N·m at the factory. Tighten them to 25 N·m.", "asked Torque J2 25 N·m")]
    [InlineData("Never exceed 30 N·m; tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("Earlier editions said 30 N·m. Tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m, never to more than 30 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m (not to 30 N·m as earlier editions say).", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m instead of 30 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m rather than the usual 30 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m; this was 30 N·m before.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m (formerly 30 N·m).", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m, down from 30 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts, not to 30 N·m but to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("You will now tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to 25 N·m, not the 30 N·m of earlier editions.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts to the torque specified, 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts as described on page 3 to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tighten the tray bolts (step 3) to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("The tray bolts specified are M8. Tighten them to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("Next you will tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("If you pull on it you will loosen the tray bolts.", "")]
    [InlineData("The tray bolts are now to be tightened to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("It is time to tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("You have to tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("It is necessary to tighten the tray bolts to 25 N·m.", "Torque J2 25 N·m")]
    [InlineData("Tightening the tray bolts to 25 N·m comes next.", "Torque J2 25 N·m")]
    public void What_is_told_beside_it_is_done(string sentence, string expected)
    {
        var step = new Written().Joint("hub nuts", "80 N·m").Joint("tray bolts").Part("frame")
            .Steps("Start the hub nuts and the tray bolts by hand.", sentence).Step(2);
        ((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target} {a.Torque}".Trim())))
            .ShouldBe(expected);
    }
}
