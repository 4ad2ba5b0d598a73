using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// The same told in other ways is read the same: whatever leads the verb in, stands behind it or tells why, how, where and with what. Each
/// way is tried with many verbs on a joint, a part and a connection; what the plain sentence comes to is what it has to come to.
/// </summary>
public class WaysOfSayingTests
{
    private static readonly string[] Verbs = ["remove", "take", "lift", "undo", "loosen", "install", "slide", "disconnect", "connect", "bolt"];

    private static readonly (string What, string[] Behind)[] Objects = [("tray bolts", ["", " out", " in"]), ("tray cover", ["", " off", " on", " out"]), ("tray hose", ["", " off"])];

    // The verb, what it is done to, and the way behind it.
    private static readonly Func<string, string, string, string>[] Ways =
    [
        (v, o, b) => $"Carefully {v} the {o}{b}.",
        (v, o, b) => $"Now {v} the {o}{b}.",
        (v, o, b) => $"Next, {v} the {o}{b}.",
        (v, o, b) => $"Then {v} the {o}{b}.",
        (v, o, b) => $"You can now {v} the {o}{b}.",
        (v, o, b) => $"You will need to {v} the {o}{b}.",
        (v, o, b) => $"Be sure to {v} the {o}{b}.",
        (v, o, b) => $"Make sure you {v} the {o}{b}.",
        (v, o, b) => $"Go ahead and {v} the {o}{b}.",
        (v, o, b) => $"Please {v} the {o}{b}.",
        (v, o, b) => $"At this point, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} {o}{b}.",
        (v, o, b) => $"Tray area: {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} with a pry bar.",
        (v, o, b) => $"Using a pry bar, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, using a soft mallet.",
        (v, o, b) => $"With a helper, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} (this may take some time).",
        (v, o, b) => $"{Capital(v)} the {o}{b}, because it is in the way.",
        (v, o, b) => $"{Capital(v)} the {o}{b} so that you can see what you are doing.",
        (v, o, b) => $"{Capital(v)} the {o}{b} to gain access to the rear.",
        (v, o, b) => $"To gain access, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} slowly and carefully.",
        (v, o, b) => $"{Capital(v)} the {o}{b} before going any further.",
        (v, o, b) => $"Locate and {v} the {o}{b}.",
        (v, o, b) => $"Reach in behind the frame and {v} the {o}{b}.",
        (v, o, b) => $"Taking care not to scratch the paint, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}; there is not much room.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Note that there is not much room.",
        (v, o, b) => $"The technician should {v} the {o}{b}.",
        (v, o, b) => $"We {v} the {o}{b}.",
        (v, o, b) => $"You want to {v} the {o}{b}.",
        (v, o, b) => $"Once you are ready, {v} the {o}{b}.",
        (v, o, b) => $"You need to {v} the {o}{b}.",
        (v, o, b) => $"You'll have to {v} the {o}{b}.",
        (v, o, b) => $"You should now {v} the {o}{b}.",
        (v, o, b) => $"The fitter must {v} the {o}{b}.",
        (v, o, b) => $"You are going to {v} the {o}{b}.",
        (v, o, b) => $"We're going to {v} the {o}{b}.",
        (v, o, b) => $"Let's {v} the {o}{b}.",
        (v, o, b) => $"It's time to {v} the {o}{b}.",
        (v, o, b) => $"The next step is to {v} the {o}{b}.",
        (v, o, b) => $"Remember to {v} the {o}{b}.",
        (v, o, b) => $"Don't forget to {v} the {o}{b}.",
        (v, o, b) => $"It is now necessary to {v} the {o}{b}.",
        (v, o, b) => $"Proceed to {v} the {o}{b}.",
        (v, o, b) => $"Begin by {Ing(v)} the {o}{b}.",
        (v, o, b) => $"Start by {Ing(v)} the {o}{b}.",
        (v, o, b) => $"Finish by {Ing(v)} the {o}{b}.",
        (v, o, b) => $"From underneath, {v} the {o}{b}.",
        (v, o, b) => $"From inside the cab, {v} the {o}{b}.",
        (v, o, b) => $"On the right-hand side, {v} the {o}{b}.",
        (v, o, b) => $"As shown in figure 3, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} as shown (see figure 3).",
        (v, o, b) => $"{Capital(v)} the {o} (3){b}.",
        (v, o, b) => $"If you have not already done so, {v} the {o}{b}.",
        (v, o, b) => $"With care, {v} the {o}{b}.",
        (v, o, b) => $"Working from below, {v} the {o}{b}.",
        (v, o, b) => $"Wearing gloves, {v} the {o}{b}.",
        (v, o, b) => $"Once you have cleaned the area, {v} the {o}{b}.",
        (v, o, b) => $"After cleaning the area, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, being careful not to scratch the paint.",
        (v, o, b) => $"{Capital(v)} the {o}{b} without scratching the paint.",
        (v, o, b) => $"{Capital(v)} the {o}{b} - there is not much room.",
        (v, o, b) => $"{Capital(v)} the {o}{b} — it is awkward to reach.",
        (v, o, b) => $"The {o} is next. {Capital(v)} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}, which is behind the frame{(b.Length > 0 ? "," : "")}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} now.",
        (v, o, b) => $"3. {Capital(v)} the {o}{b}.",
        (v, o, b) => $"- {Capital(v)} the {o}{b}.",
        (v, o, b) => $"{v} the {o}{b}".ToUpperInvariant() + ".",
        (v, o, b) => $"**{Capital(v)}** the {o}{b}.",
        (v, o, b) => $"{v} the {o}{b}",
        (v, o, b) => $"{Capital(v)} the {o}{b}!",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Mind your fingers.",
        (v, o, b) => $"{Capital(v)} your {o}{b}.",
        (v, o, b) => $"To access the rear, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} to expose the surface behind.",
        (v, o, b) => $"To prevent damage, {v} the {o}{b}.",
        (v, o, b) => $"In order to see better, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. This will give you more room.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, which gives you more room.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, giving you more room.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, if you have not already done so.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, following the instructions of the maker.",
        (v, o, b) => $"{Capital(v)} the {o}{b} according to the manual.",
        (v, o, b) => $"{Capital(v)} the {o}{b} as described earlier.",
        (v, o, b) => $"{Capital(v)} the {o}{b} in the usual way.",
        (v, o, b) => $"With one hand on the frame, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} with both hands.",
        (v, o, b) => $"Stand to one side and {v} the {o}{b}.",
        (v, o, b) => $"Get under the machine and {v} the {o}{b}.",
        (v, o, b) => $"Go round to the left side and {v} the {o}{b}.",
        (v, o, b) => $"Find the {o}, then {v} the {o}{b}.",
        (v, o, b) => $"Find the {o} and {v} {(o.EndsWith('s') ? "them" : "it")}{b}.",
        (v, o, b) => $"Quickly but carefully {v} the {o}{b}.",
        (v, o, b) => $"Get somebody to help you and {v} the {o}{b}.",
        (v, o, b) => $"Two people are needed for this. {Capital(v)} the {o}{b}.",
        (v, o, b) => $"CAUTION: sharp edges. {Capital(v)} the {o}{b}.",
        (v, o, b) => $"Note: there is not much room. {Capital(v)} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Tip: a mirror helps.",
        (v, o, b) => $"Still working from below, {v} the {o}{b}.",
        (v, o, b) => $"Once more, {v} the {o}{b}.",
        (v, o, b) => $"Very gently and evenly {v} the {o}{b}.",
        (v, o, b) => $"When that is done, {v} the {o}{b}.",
        (v, o, b) => $"The {o} {(Be(o) == "is" ? "has" : "have")} to be {Ed(v)}{b}.",
        (v, o, b) => $"The {o} {(Be(o) == "is" ? "needs" : "need")} {Ing(v)}{b} next.",
        (v, o, b) => $"This time {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o} that you can see from below{(b.Length > 0 ? "," : "")}{b}.",
        (v, o, b) => $"{Capital(v)} the {o} you cleaned earlier{(b.Length > 0 ? "," : "")}{b}.",
        (v, o, b) => $"After you have wiped the frame, {v} the {o}{b}.",
        (v, o, b) => $"With the frame clean, {v} the {o}{b}.",
        (v, o, b) => $"With everything ready, {v} the {o}{b}.",
        (v, o, b) => $"When ready, {v} the {o}{b}.",
        (v, o, b) => $"As soon as the engine is cool, {v} the {o}{b}.",
        (v, o, b) => $"Once the engine has cooled down, {v} the {o}{b}.",
        (v, o, b) => $"Before starting the next job, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} like this.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. A pry bar may help.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. It may need some force.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. It is a tight fit.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. {(Be(o) == "is" ? "It" : "They")} may be stiff.",
        (v, o, b) => $"{Capital(v)} the {o}{b} until you hear a click.",
        (v, o, b) => $"{Capital(v)} the {o}{b} and check the frame for cracks.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Then inspect the frame for damage.",
        (v, o, b) => $"Inspect the frame for damage. {Capital(v)} the {o}{b}.",
        (v, o, b) => $"Check the frame for cracks and then {v} the {o}{b}.",
        (v, o, b) => $"Hold the frame steady and {v} the {o}{b}.",
        (v, o, b) => $"While holding the frame steady, {v} the {o}{b}.",
        (v, o, b) => $"Reaching behind the frame, {v} the {o}{b}.",
        (v, o, b) => $"Have a helper hold the lamp while you {v} the {o}{b}.",
        (v, o, b) => $"Have a helper steady the frame and {v} the {o}{b}.",
        (v, o, b) => $"Ask a helper to hold the lamp, and {v} the {o}{b}.",
        (v, o, b) => $"You'll find the {o} under the seat; {v} {(Be(o) == "is" ? "it" : "them")}{b}.",
        (v, o, b) => $"There {Be(o)} {(Be(o) == "is" ? "a " : "")}{o} under the seat. {Capital(v)} {(Be(o) == "is" ? "it" : "them")}{b}.",
        (v, o, b) => $"Look for the {o} under the seat and {v} {(Be(o) == "is" ? "it" : "them")}{b}.",
        (v, o, b) => $"Spray the {o} with penetrating oil, then {v} {(Be(o) == "is" ? "it" : "them")}{b}.",
        (v, o, b) => $"Clean the {o} and {v} {(Be(o) == "is" ? "it" : "them")}{b}.",
        (v, o, b) => $"The {o} comes next: {v} {(Be(o) == "is" ? "it" : "them")}{b}.".Replace("bolts comes", "bolts come"),
        (v, o, b) => $"There is not much room, so {v} the {o}{b}.",
        (v, o, b) => $"Since there is not much room, {v} the {o}{b}.",
        (v, o, b) => $"Because there is not much room, {v} the {o}{b}.",
        (v, o, b) => $"To make room, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, making sure that nothing is trapped.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, but watch your fingers.",
        (v, o, b) => $"{Capital(v)} {(Be(o) == "is" ? "the" : "all the")} {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o} near the battery{(b.Length > 0 ? "," : "")}{b}.",
        (v, o, b) => $"Behind the seat, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, taking your time.",
        (v, o, b) => $"{Capital(v)} the {o}{b} no matter how dirty.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, see step 12.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Refer to the maker's manual.",
        (v, o, b) => $"{Capital(v)} the {o}{b} (see page 12).",
        (v, o, b) => $"{Capital(v)} the {o} (A){b}.",
        (v, o, b) => $"{Capital(v)} the {o} (item 7){b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. It weighs about 12 kg.",
        (v, o, b) => $"Take a photo, then {v} the {o}{b}.",
        (v, o, b) => $"Note the position of the frame, then {v} the {o}{b}.",
        (v, o, b) => $"In good light, {v} the {o}{b}.",
        (v, o, b) => $"For now, {v} the {o}{b}.",
        (v, o, b) => $"Here, {v} the {o}{b}.",
        (v, o, b) => $"From here, {v} the {o}{b}.",
        (v, o, b) => $"OK, {v} the {o}{b}.",
        (v, o, b) => $"Right, {v} the {o}{b}.",
        (v, o, b) => $"All right, now {v} the {o}{b}.",
        (v, o, b) => $"And now {v} the {o}{b}.",
        (v, o, b) => $"After that, {v} the {o}{b}.",
        (v, o, b) => $"Afterwards {v} the {o}{b}.",
        (v, o, b) => $"Subsequently, {v} the {o}{b}.",
        (v, o, b) => $"Lastly, {v} the {o}{b}.",
        (v, o, b) => $"In this step, {v} the {o}{b}.",
        (v, o, b) => $"Always {v} the {o}{b}.",
        (v, o, b) => $"You must always {v} the {o}{b}.",
        (v, o, b) => $"You may now {v} the {o}{b}.",
        (v, o, b) => $"We can now {v} the {o}{b}.",
    ];

    public static TheoryData<int> Numbers => [.. Enumerable.Range(0, Ways.Length)];

    [Theory]
    [MemberData(nameof(Numbers))]
    public void However_it_is_told_it_is_read_the_same(int number)
    {
        foreach (var (verb, what, behind, plain) in Plain)
            Read(Ways[number](verb, what, behind)).ShouldBe(plain, Ways[number](verb, what, behind));
    }

    // What is told plainly, and what it comes to.
    private static readonly (string Verb, string What, string Behind, string Comes)[] Plain = [.. Verbs.SelectMany(v => Objects.SelectMany(o => o.Behind.Select(b =>
        (v, o.What, b, Read($"{Capital(v)} the {o.What}{b}."))))).Where(p => p.Item4 is not ("" or "asked"))];

    /// <summary>What may have to be done, or what one gets ready for, is not done; what has a condition keeps it.</summary>
    [Theory]
    [InlineData("You may need to remove the tray cover.")]
    [InlineData("You might have to take the tray cover off.")]
    [InlineData("It may be necessary to remove the tray cover.")]
    [InlineData("It is possible to remove the tray cover.")]
    [InlineData("Get ready to lift the tray cover off.")]
    [InlineData("You would need to remove the tray cover.")]
    [InlineData("You do not need to remove the tray cover.")]
    [InlineData("Make sure you do not remove the tray cover.")]
    [InlineData("If the tray cover is not already off, remove it.")]
    public void What_may_be_is_not_told(string sentence) => new Written().Part("tray cover").Steps("Clean the frame.", sentence).Step(2).Actions
        .Where(a => a is { Branch: 0, Verb: not (Verb.Inspect or Verb.Clean) }).ShouldBeEmpty();

    /// <summary>A value that is told of what is tightened is its value, wherever in the step it stands.</summary>
    [Theory]
    [InlineData("Tighten the tray bolts to 25 N·m.")]
    [InlineData("Tighten the tray bolts to a torque of 25 N·m.")]
    [InlineData("Tighten the tray bolts to the specified torque of 25 N·m.")]
    [InlineData("Tighten the tray bolts to specification (25 N·m).")]
    [InlineData("Tighten the tray bolts to spec, 25 N·m.")]
    [InlineData("Bring the tray bolts up to 25 N·m.")]
    [InlineData("The tray bolts get 25 N·m.")]
    [InlineData("Set the torque wrench to 25 N·m and tighten the tray bolts.")]
    [InlineData("With the torque wrench at 25 N·m, tighten the tray bolts.")]
    [InlineData("Tray bolts: 25 N·m.")]
    [InlineData("Torque tray bolts 25 N·m.")]
    [InlineData("Tighten the tray bolts (25 N·m).")]
    [InlineData("Tighten the tray bolts with a torque wrench to 25 N·m.")]
    [InlineData("Tighten the tray bolts evenly to 25 N·m.")]
    [InlineData("The tray bolts are torqued to 25 N·m.")]
    [InlineData("The tray bolts must be tightened to 25 N·m.")]
    [InlineData("Tighten the tray bolts. The tightening torque is 25 N·m.")]
    [InlineData("Tighten the tray bolts. Torque: 25 N·m.")]
    [InlineData("Tighten the tray bolts; the torque is 25 N·m.")]
    [InlineData("Tighten the tray bolts, 25 N·m.")]
    [InlineData("Do the tray bolts up to 25 N·m.")]
    [InlineData("Wind the tray bolts up to 25 N·m.")]
    [InlineData("Pull the tray bolts down to 25 N·m.")]
    [InlineData("Run the tray bolts up to 25 N·m.")]
    [InlineData("Take the tray bolts to 25 N·m.")]
    [InlineData("25 N·m for the tray bolts.")]
    [InlineData("Tighten each tray bolt to 25 N·m.")]
    [InlineData("Tighten all the tray bolts to 25 N·m.")]
    [InlineData("Tighten the tray bolts in a star pattern to 25 N·m.")]
    [InlineData("Tighten the tray bolts to 25 N·m in a star pattern.")]
    [InlineData("Working crosswise, tighten the tray bolts to 25 N·m.")]
    [InlineData("Finish by torquing the tray bolts to 25 N·m.")]
    [InlineData("Finally, torque the tray bolts to their final value of 25 N·m.")]
    [InlineData("Torque the tray bolts to 25 N·m using a calibrated torque wrench.")]
    [InlineData("Apply a torque of 25 N·m to the tray bolts.")]
    [InlineData("Apply 25 N·m to the tray bolts.")]
    [InlineData("Give the tray bolts 25 N·m.")]
    [InlineData("Tighten the tray bolts until the wrench clicks at 25 N·m.")]
    [InlineData("Tighten the tray bolts until 25 N·m is reached.")]
    [InlineData("Make sure the tray bolts are tightened to 25 N·m.")]
    [InlineData("Ensure that the tray bolts are torqued to 25 N·m.")]
    [InlineData("Tighten the tray bolts to approximately 25 N·m.")]
    [InlineData("Tighten the tray bolts to 25 N·m of torque.")]
    [InlineData("Tighten the tray bolts to 25 newton metres.")]
    [InlineData("Tighten the tray bolts to 25 Nm (18 lb-ft).")]
    [InlineData("Tighten the tray bolts - 25 N·m.")]
    [InlineData("Using a torque wrench set to 25 N·m, tighten the tray bolts.")]
    [InlineData("Torque wrench to 25 N·m: tighten the tray bolts.")]
    [InlineData("Tighten the tray bolts with a torque wrench set to 25 N·m.")]
    [InlineData("Tighten the tray bolts. They get 25 N·m in the end.")]
    [InlineData("Tighten the tray bolts. The specified torque is 25 N·m (18 lb-ft).")]
    [InlineData("Make sure you torque the tray bolts to 25 N·m.")]
    [InlineData("The tray bolts have to be torqued to 25 N·m.")]
    public void However_a_value_is_told_it_is_what_is_tightened(string sentence)
    {
        var written = new Written().Joint("hub nuts").Joint("tray bolts").Steps("Loosen the hub nuts. Start the tray bolts by hand.", sentence);
        written.Step(2).Questions.ShouldBeEmpty();
        written.Step(2).Actions.Where(a => a.Verb is not Verb.Inspect).Select(a => $"{a.Verb} {a.Target} {a.Torque}").ShouldBe(["Torque J2 25 N·m"]);
        written.Sheet.Joints[1].TighteningText.ShouldBe("25 N·m");
    }

    /// <summary>A value that is stated, and nothing tightened with it, is asked about and not passed over.</summary>
    [Theory]
    [InlineData("The torque for the tray bolts is 25 N·m.")]
    [InlineData("The final torque of the tray bolts is 25 N·m.")]
    public void A_value_alone_is_asked_about(string sentence) =>
        new Written().Joint("tray bolts").Steps("Start the tray bolts by hand.", sentence).Step(2).Questions.ShouldHaveSingleItem().Verb.ShouldBe(Verb.Torque);

    /// <summary>A value that is told of something else, or for later, is not.</summary>
    [Theory]
    [InlineData("Tighten the tray bolts. The hub nuts get 240 N·m later.")]
    [InlineData("Tighten the tray bolts, noting that the hub nuts have 240 N·m.")]
    public void A_value_of_something_else_stays_there(string sentence) => new Written().Joint("hub nuts").Joint("tray bolts")
        .Steps("Loosen the hub nuts. Start the tray bolts by hand.", sentence).Step(2).Actions.Where(a => a.Target == "J2").ShouldAllBe(a => a.Torque == null);

    // What changes the state, and whether it is asked.
    private static string Read(string sentence)
    {
        var step = new Written().Joint("hub nuts", "80 N·m").Joint("guard bolts", "20 N·m").Part("guard").Part("rear bracket").Thing(ThingKind.Connection, "brake hose")
            .Joint("tray bolts", "25 N·m").Part("tray cover").Thing(ThingKind.Connection, "tray hose")
            .Steps("Loosen the hub nuts and the guard bolts. Take the guard off. Remove the rear bracket.", sentence).Step(2);
        if (step.Questions.Length > 0) return "asked";
        return string.Join("; ", step.Actions.Where(Changes)
            .Select(a => $"{a.Verb} {a.Target} {a.Branch} {a.Some} {a.If} {a.Torque}"));
    }

    private static string Be(string what) => what.EndsWith('s') ? "are" : "is";
}
