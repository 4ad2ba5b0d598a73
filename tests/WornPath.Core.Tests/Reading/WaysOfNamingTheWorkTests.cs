using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Work that is named by a noun ("removal of the cover") is done where it is told and not where it is only spoken of; and a verb nobody knows
/// is asked about in whatever form it stands, since what is passed over without a word is worse than what is asked.
/// </summary>
public class WaysOfNamingTheWorkTests
{
    // The noun, what it is done to, what stands behind, and the plain sentence.
    private static readonly (string Work, string Of, string Behind, string Plain)[] Works =
    [
        ("removal", "tray bolts", "", "Remove the tray bolts."),
        ("removal", "tray cover", "", "Remove the tray cover."),
        ("installation", "tray cover", "", "Install the tray cover."),
        ("refitting", "tray cover", "", "Refit the tray cover."),
        ("fitting", "tray cover", "", "Fit the tray cover."),
        ("tightening", "tray bolts", " to 25 N·m", "Tighten the tray bolts to 25 N·m."),
        ("loosening", "tray bolts", "", "Loosen the tray bolts."),
        ("disconnection", "tray hose", "", "Disconnect the tray hose."),
    ];

    private static readonly Func<string, string, string, string>[] Told =
    [
        (w, o, b) => $"Carry out {w} of the {o}{b}.",
        (w, o, b) => $"Carry out the {w} of the {o}{b}.",
        (w, o, b) => $"Perform {w} of the {o}{b}.",
        (w, o, b) => $"Perform the {w} of the {o}{b}.",
        (w, o, b) => $"Do the {w} of the {o}{b}.",
        (w, o, b) => $"Complete the {w} of the {o}{b}.",
        (w, o, b) => $"Proceed with the {w} of the {o}{b}.",
        (w, o, b) => $"Proceed to the {w} of the {o}{b}.",
        (w, o, b) => $"Continue with {w} of the {o}{b}.",
        (w, o, b) => $"Continue with the {w} of the {o}{b}.",
        (w, o, b) => $"Start with {w} of the {o}{b}.",
        (w, o, b) => $"Start with the {w} of the {o}{b}.",
        (w, o, b) => $"Start the {w} of the {o}{b}.",
        (w, o, b) => $"Begin with the {w} of the {o}{b}.",
        (w, o, b) => $"Begin the {w} of the {o}{b}.",
        (w, o, b) => $"Finish with the {w} of the {o}{b}.",
        (w, o, b) => $"Go on with the {w} of the {o}{b}.",
        (w, o, b) => $"The {w} of the {o}{b} comes next.",
        (w, o, b) => $"The {w} of the {o}{b} is next.",
        (w, o, b) => $"Next comes the {w} of the {o}{b}.",
        (w, o, b) => $"Next is the {w} of the {o}{b}.",
        (w, o, b) => $"Now comes the {w} of the {o}{b}.",
        (w, o, b) => $"Then follows the {w} of the {o}{b}.",
        (w, o, b) => $"Next, carry out the {w} of the {o}{b}.",
        (w, o, b) => $"You can now start the {w} of the {o}{b}.",
        (w, o, b) => $"The {w} of the {o}{b} can now be carried out.",
        (w, o, b) => $"The {w} of the {o}{b} is carried out next.",
        (w, o, b) => $"The {w} of the {o}{b} must be carried out now.",
        (w, o, b) => $"The {w} of the {o}{b} is done by hand.",
        (w, o, b) => $"{Capital(w)} of the {o}{b}.",
        (w, o, b) => $"{Capital(w)} of {o}{b}.",
        (w, o, b) => $"{Capital(w)} of the {o}{b} with a 13 mm socket.",
        (w, o, b) => $"This is followed by the {w} of the {o}{b}.",
        (w, o, b) => $"Wipe the frame, then carry out the {w} of the {o}{b}.",
        (w, o, b) => $"After {w} of the {o}{b}, wipe the frame.",
        (w, o, b) => $"After the {w} of the {o}{b}, wipe the frame.",
        (w, o, b) => $"Following {w} of the {o}{b}, wipe the frame.",
        (w, o, b) => $"Wipe the frame after {w} of the {o}{b}.",
    ];

    // Nothing of it is done here.
    private static readonly Func<string, string, string, string>[] SpokenOf =
    [
        (w, o, b) => $"Wipe the frame before {w} of the {o}{b}.",
        (w, o, b) => $"Before the {w} of the {o}{b}, wipe the frame.",
        (w, o, b) => $"Prior to {w} of the {o}{b}, wipe the frame.",
        (w, o, b) => $"Wipe the frame prior to the {w} of the {o}{b}.",
        (w, o, b) => $"Wipe the frame to make {w} of the {o}{b} easier.",
        (w, o, b) => $"Wipe the frame in preparation for the {w} of the {o}{b}.",
        (w, o, b) => $"Wipe the frame to ease the {w} of the {o}{b}.",
        (w, o, b) => $"Wipe the frame. This makes the {w} of the {o}{b} easier.",
        (w, o, b) => $"Wipe the frame. {Capital(w)} of the {o}{b} is not necessary.",
        (w, o, b) => $"Wipe the frame. The {w} of the {o}{b} is described later.",
        (w, o, b) => $"Wipe the frame. Do not start the {w} of the {o}{b} yet.",
        (w, o, b) => $"Wipe the frame without {w} of the {o}{b}.",
    ];

    private static readonly (string Base, string Done, string Ing)[] Unknown =
        [("zork", "zorked", "zorking"), ("frobnicate", "frobnicated", "frobnicating"), ("yaffle", "yaffled", "yaffling")];

    // A verb nobody knows, in every place a verb may stand.
    private static readonly Func<(string Base, string Done, string Ing), string, string>[] Unheard =
    [
        (v, o) => $"{Capital(v.Base)} the {o}.",
        (v, o) => $"Now {v.Base} the {o}.",
        (v, o) => $"Next, {v.Base} the {o}.",
        (v, o) => $"Then {v.Base} the {o}.",
        (v, o) => $"Carefully {v.Base} the {o}.",
        (v, o) => $"You can now {v.Base} the {o}.",
        (v, o) => $"You must {v.Base} the {o}.",
        (v, o) => $"You will need to {v.Base} the {o}.",
        (v, o) => $"The technician should {v.Base} the {o}.",
        (v, o) => $"Make sure to {v.Base} the {o}.",
        (v, o) => $"Remember to {v.Base} the {o}.",
        (v, o) => $"It is time to {v.Base} the {o}.",
        (v, o) => $"Use a pry bar to {v.Base} the {o}.",
        (v, o) => $"With a pry bar, {v.Base} the {o}.",
        (v, o) => $"Using a pry bar, {v.Base} the {o}.",
        (v, o) => $"The {o} must be {v.Done}.",
        (v, o) => $"The {o} can now be {v.Done}.",
        (v, o) => $"The {o} should be {v.Done}.",
        (v, o) => $"The {o} {(o.EndsWith('s') ? "have" : "has")} to be {v.Done}.",
        (v, o) => $"The {o} {(o.EndsWith('s') ? "need" : "needs")} to be {v.Done}.",
        (v, o) => $"The {o} {(o.EndsWith('s') ? "are" : "is")} to be {v.Done}.",
        (v, o) => $"The {o} {(o.EndsWith('s') ? "are" : "is")} then {v.Done}.",
        (v, o) => $"Next the {o} {(o.EndsWith('s') ? "are" : "is")} {v.Done}.",
        (v, o) => $"After {v.Ing} the {o}, wipe the frame.",
        (v, o) => $"Start by {v.Ing} the {o}.",
        (v, o) => $"Wipe the frame and {v.Base} the {o}.",
        (v, o) => $"Wipe the frame, then {v.Base} the {o}.",
        (v, o) => $"Wipe the frame. The {o} can then be {v.Done}.",
        (v, o) => $"Wipe the frame before you {v.Base} the {o}. Then {v.Base} the {o}.",
        (v, o) => $"If the frame is wet, {v.Base} the {o}.",
        (v, o) => $"Once the frame is dry, {v.Base} the {o}.",
        (v, o) => $"Have a helper {v.Base} the {o}.",
        (v, o) => $"Let a helper {v.Base} the {o}.",
        (v, o) => $"{Capital(v.Base)} and wipe the {o}.",
        (v, o) => $"{Capital(o)} to be {v.Done}.",
        (v, o) => $"Do not wipe the frame; {v.Base} the {o}.",
    ];

    public static TheoryData<int> Numbers(string of) => [.. Enumerable.Range(0, of switch
    {
        "told" => Told.Length,
        "spoken" => SpokenOf.Length,
        _ => Unheard.Length,
    })];

    [Theory]
    [MemberData(nameof(Numbers), "told")]
    public void Work_that_is_named_is_done(int number) =>
        Works.Select(w =>
        {
            var sentence = Told[number](w.Work, w.Of, w.Behind);
            var step = Sheet().Steps(Before(w.Work, w.Of), sentence).Step(2);
            var told = Said(Sheet().Steps(Before(w.Work, w.Of), w.Plain).Step(2));
            return Said(step) == told && step.Questions.Length == 0 ? null : $"{(step.Questions.Length > 0 ? "asked " : "")}{sentence} → {Said(step)} | {told}";
        }).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(Numbers), "spoken")]
    public void Work_that_is_only_spoken_of_is_not_done(int number) =>
        Works.Select(w =>
        {
            var sentence = SpokenOf[number](w.Work, w.Of, "");
            var step = Sheet().Steps(Before(w.Work, w.Of), sentence).Step(2);
            return Said(step).Length == 0 && step.Questions.Length == 0 ? null : $"{(step.Questions.Length > 0 ? "asked " : "")}{sentence} → {Said(step)}";
        }).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(Numbers), "unheard")]
    public void A_verb_nobody_knows_is_asked_about(int number) =>
        Unknown.SelectMany(v => (string[])["tray bolts", "tray cover", "tray hose"], (v, o) => (v, o)).Select(x =>
        {
            var sentence = Unheard[number](x.v, x.o);
            var written = Sheet().Steps("Wipe the frame.", sentence);
            var step = written.Step(2);
            return Said(step).Length == 0 && step.Questions.Length == 1 && written.Sheet.Parts.Length == 2 && written.Sheet.Joints.Length == 1 ? null
                : $"{step.Questions.Length} asked: {sentence} → {Said(step)}";
        }).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [InlineData("Tray cover removal: undo the tray bolts.", "TakeOut J1")]
    [InlineData("Carry out tray cover removal.", "Remove P1")]
    [InlineData("Perform the tray cover removal.", "Remove P1")]
    [InlineData("Proceed with tray cover removal.", "Remove P1")]
    [InlineData("Tray bolt removal: use a 13 mm socket and take the tray bolts out.", "TakeOut J1")]
    [InlineData("Wipe the frame and do the tray hose disconnection.", "Disconnect C1")]
    [InlineData("The tray cover is zorked off.", "Remove P1")]
    public void Work_that_is_named_behind_its_thing(string sentence, string expected)
    {
        var step = Sheet().Steps("Wipe the frame.", sentence).Step(2);
        step.Questions.Select(q => q.Phrase).ShouldBeEmpty();
        string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target}")).ShouldBe(expected);
    }

    /// <summary>How a thing is, what it does and what became of it is told with words nobody needs to know: none of it asks.</summary>
    [Theory]
    [InlineData("Wipe the frame. The tray cover is dented.")]
    [InlineData("Wipe the frame. The tray bolts are corroded.")]
    [InlineData("Wipe the frame. The tray cover was zorked at the works.")]
    [InlineData("Wipe the frame. The tray hose is yellowish.")]
    [InlineData("Wipe the frame. The tray bolts are zinc-plated.")]
    [InlineData("Wipe the frame. The tray cover is shaped to clear the hose.")]
    [InlineData("Wipe the frame. The tray bolts have been zorked by the maker.")]
    [InlineData("Wipe the frame. You may hear a zorking noise.")]
    [InlineData("Wipe the frame. The tray cover is asymmetrical.")]
    [InlineData("Wipe the frame. The tray bolts are self-locking.")]
    [InlineData("Wipe the frame. The tray cover cannot be seen from here.")]
    [InlineData("Wipe the frame. The tray hose must not be kinked.")]
    public void What_is_only_described_asks_nothing(string sentence)
    {
        var step = Sheet().Steps("Wipe the frame.", sentence).Step(2);
        step.Questions.Select(q => q.Phrase).ShouldBeEmpty();
        Said(step).ShouldBe("");
    }

    private static Written Sheet() => new Written().Joint("tray bolts", "25 N·m").Part("tray cover").Thing(ThingKind.Connection, "tray hose").Part("frame");

    private static string Before(string work, string of) => work is "installation" or "refitting" or "fitting" or "tightening" ? $"Remove the {of}."
        : "Wipe the frame.";

    private static string Said(Step step) =>
        string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target} {a.Some} {a.Torque} {a.Side} {a.Branch}"));
}
