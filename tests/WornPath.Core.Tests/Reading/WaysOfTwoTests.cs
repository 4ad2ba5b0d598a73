using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Two things told in one step, in whatever order and joined however, come to what each of them comes to when it is told alone, in the order
/// the work is done; what is told on a condition keeps it; what is not to be done, was done or will be done is not done.
/// </summary>
public class WaysOfTwoTests
{
    private sealed record Told(string Verb, string What, string Behind)
    {
        public string Text => $"{Verb} the {What}{Behind}";

        public string Doing => $"{Ing(Verb)} the {What}{Behind}";

        public string Done => $"{What} {(Many ? "are" : "is")} {Ed(Verb)}{Behind}";

        public bool Many => What.EndsWith('s');

        public string They => Many ? "they" : "it";
    }

    private static readonly (Told One, Told Two)[] Pairs =
    [
        (new("remove", "tray bolts", ""), new("lift", "tray cover", " off")),
        (new("undo", "tray bolts", ""), new("take", "tray cover", " out")),
        (new("disconnect", "tray hose", ""), new("remove", "tray cover", "")),
        (new("loosen", "tray bolts", ""), new("disconnect", "tray hose", "")),
        (new("install", "rear bracket", ""), new("connect", "brake hose", "")),
        (new("slide", "guard", " on"), new("install", "guard bolts", "")),
        (new("take", "hub nuts", " off"), new("remove", "tray cover", "")),
        (new("tighten", "hub nuts", " to 80 N·m"), new("tighten", "tray bolts", " to 25 N·m")),
        (new("install", "rear bracket", ""), new("tighten", "hub nuts", " to 80 N·m")),
    ];

    // The first and the second of a pair as one step tells them; the first is done first.
    private static readonly Func<Told, Told, string>[] Together =
    [
        (a, b) => $"{Capital(a.Text)} and {b.Text}.",
        (a, b) => $"{Capital(a.Text)}, then {b.Text}.",
        (a, b) => $"{Capital(a.Text)} and then {b.Text}.",
        (a, b) => $"{Capital(a.Text)}; {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. {Capital(b.Text)}.",
        (a, b) => $"After {a.Doing}, {b.Text}.",
        (a, b) => $"Once the {a.Done}, {b.Text}.",
        (a, b) => $"With the {a.What} {Ed(a.Verb)}{a.Behind}, {b.Text}.",
        (a, b) => $"First {a.Text}, then {b.Text}.",
        (a, b) => $"First, {a.Text}. Next, {b.Text}.",
        (a, b) => $"Start by {a.Doing}, then {b.Text}.",
        (a, b) => $"Begin with {a.Doing} and finish by {b.Doing}.",
        (a, b) => $"{Capital(a.Text)} so that you can {b.Text}. {Capital(b.Text)}.",
        (a, b) => $"{Capital(a.Text)}, and after that {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. After that, {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Once that is done, {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Only then {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. You can now {b.Text}.",
        (a, b) => $"{Capital(a.Text)}, followed by {b.Doing}.",
        (a, b) => $"{Capital(a.Text)} (with care) and {b.Text} (with a helper).",
        (a, b) => $"{Capital(a.Text)} as well as {b.Doing}.",
        (a, b) => $"a) {Capital(a.Text)}; b) {b.Text}.",
        (a, b) => $"{Capital(a.Text)}\n{Capital(b.Text)}",
        (a, b) => $"{Capital(a.Text)} - {b.Text}.",
        (a, b) => $"{Capital(a.Text)} with a helper and, when you are ready, {b.Text}.",
        (a, b) => $"{Capital(a.Text)}, check the frame for cracks, and {b.Text}.",
        (a, b) => $"{Capital(a.Text)}, wipe the frame clean and {b.Text}.",
        (a, b) => $"You now have to {a.Text} and {b.Text}.",
        (a, b) => $"You will need to {a.Text} and then {b.Text}.",
        (a, b) => $"Make sure you {a.Text} and {b.Text}.",
        (a, b) => $"The {a.Done} and the {b.Done}.",
        (a, b) => $"The {a.Done}, then the {b.Done}.",
        (a, b) => $"{Capital(a.Text)} while a helper holds the frame, then {b.Text}.",
        (a, b) => $"Have a helper hold the frame while you {a.Text} and {b.Text}.",
        (a, b) => $"To get at the frame, {a.Text} and {b.Text}.",
        (a, b) => $"{Capital(a.Text)} and {b.Text} to get at the frame.",
        (a, b) => $"{Capital(a.Text)} and, with a pry bar, {b.Text}.",
        (a, b) => $"Using a soft mallet, {a.Text}, then use a pry bar to {b.Text}.",
        (a, b) => $"The technician must {a.Text} and {b.Text}.",
        (a, b) => $"Let us {a.Text} first. Then we {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Do not hurry. {Capital(b.Text)}.",
        (a, b) => $"{Capital(a.Text)} (do not scratch the paint), then {b.Text}.",
        (a, b) => $"{Capital(a.Text)}, taking care not to scratch the paint, and {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Note: there is not much room. {Capital(b.Text)}.",
        (a, b) => $"{Capital(a.Text)}; next {b.Text}; check that nothing is trapped.",
        (a, b) => $"It is best to {a.Text} and then {b.Text}.",
        (a, b) => $"Do two things now: {a.Text} and {b.Text}.",
        (a, b) => $"There are two things to do: {a.Text}, and {b.Text}.",
        (a, b) => $"* {Capital(a.Text)}\n* {Capital(b.Text)}",
        (a, b) => $"{Capital(a.Text)}, since it is in the way, and {b.Text}.",
        (a, b) => $"{Capital(a.Text)}, which takes some time, then {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. {Capital(b.Text)} too.",
        (a, b) => $"{Capital(a.Text)}. Also {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. In addition, {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. At the same time, {b.Text}.",
        (a, b) => $"Not only {a.Text} but also {b.Text}.",
        (a, b) => $"Both {a.Text} and {b.Text}.",
        (a, b) => $"{Capital(a.Text)} and go on to {b.Text}.",
        (a, b) => $"{Capital(a.Text)}, then move on and {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Wait a minute, then {b.Text}.",
    ];

    // The second is told first.
    private static readonly Func<Told, Told, string>[] Turned =
    [
        (a, b) => $"Before {b.Doing}, {a.Text}. Then {b.Text}.",
        (a, b) => $"Before you {b.Text}, {a.Text}. {Capital(b.Text)}.",
        (a, b) => $"{Capital(b.Text)} after {a.Doing}.",
        (a, b) => $"{Capital(b.Text)} once the {a.Done}.",
        (a, b) => $"{Capital(b.Text)} after the {a.Done}.",
        (a, b) => $"{Capital(b.Text)}, but first {a.Text}.",
        (a, b) => $"{Capital(b.Text)}, having first {(Ed(a.Verb) == "undone" ? "undone" : Ed(a.Verb))} the {a.What}{a.Behind}.",
        (a, b) => $"{Capital(b.Text)} only after you have {Ed(a.Verb)} the {a.What}{a.Behind}.",
    ];

    // Only the first is done; of the second it is only spoken.
    private static readonly Func<Told, Told, string>[] Alone =
    [
        (a, b) => $"{Capital(a.Text)} before you {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Do not {b.Text} yet.",
        (a, b) => $"{Capital(a.Text)}, but do not {b.Text}.",
        (a, b) => $"{Capital(a.Text)} without {b.Doing}.",
        (a, b) => $"{Capital(a.Text)} instead of {b.Doing}.",
        (a, b) => $"{Capital(a.Text)}; there is no need to {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. You will {b.Text} later.",
        (a, b) => $"{Capital(a.Text)}. Later the {b.Done.Replace(" is ", " will be ").Replace(" are ", " will be ")}.",
        (a, b) => $"{Capital(a.Text)} so that you can {b.Text} later.",
        (a, b) => $"{Capital(a.Text)}; this makes it easier to {b.Text} later.",
        (a, b) => $"{Capital(a.Text)}. Never {b.Text} first.",
        (a, b) => $"{Capital(a.Text)}. It is not necessary to {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Avoid {b.Doing} now.",
        (a, b) => $"Rather than {b.Doing}, {a.Text}.",
        (a, b) => $"Instead of {b.Doing}, {a.Text}.",
        (a, b) => $"Without {b.Doing}, {a.Text}.",
        (a, b) => $"{Capital(a.Text)}. In the next step you will {b.Text}.",
        (a, b) => $"{Capital(a.Text)} before {b.Doing} in the next step.",
        (a, b) => $"{Capital(a.Text)}. This is needed to {b.Text} later on.",
        (a, b) => $"{Capital(a.Text)}; you need not {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Nobody should {b.Text} at this stage.",
        (a, b) => $"{Capital(a.Text)}. Resist the temptation to {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Wait with {b.Doing} until the next step.",
        (a, b) => $"{Capital(a.Text)}. It is too early to {b.Text}.",
        (a, b) => $"{Capital(a.Text)}. Some people {b.Text} at this point; do not.",
        (a, b) => $"{Capital(a.Text)}. The temptation is to {b.Text}; don't.",
        (a, b) => $"{Capital(a.Text)}. In step 20 we {b.Text}.",
    ];

    // The first on a condition.
    private static readonly Func<Told, string>[] Perhaps =
    [
        a => $"If there is any doubt, {a.Text}.",
        a => $"{Capital(a.Text)} if there is any doubt.",
        a => $"{Capital(a.Text)} if necessary.",
        a => $"If necessary, {a.Text}.",
        a => $"{Capital(a.Text)}, if required.",
        a => $"If needed {a.Text}.",
        a => $"Should there be damage, {a.Text}.",
        a => $"In case of damage, {a.Text}.",
        a => $"{Capital(a.Text)} in case of damage.",
        a => $"When in doubt, {a.Text}.",
        a => $"Where fitted, {a.Text}.",
        a => $"{Capital(a.Text)} (if fitted).",
        a => $"{Capital(a.Text)} (where fitted).",
        a => $"{Capital(a.Text)}, where fitted.",
        a => $"{Capital(a.Text)} only if there is play.",
        a => $"Only if there is play, {a.Text}.",
        a => $"Unless the frame is new, {a.Text}.",
        a => $"{Capital(a.Text)} unless the frame is new.",
        a => $"On machines with a cab, {a.Text}.",
        a => $"On tractors built before 2019, {a.Text}.",
        a => $"For machines with a cab: {a.Text}.",
        a => $"Machines with a cab: {a.Text}.",
        a => $"If your machine has a cab, {a.Text}.",
        a => $"{Capital(a.Text)} as necessary.",
        a => $"{Capital(a.Text)} as required.",
        a => $"{Capital(a.Text)} as needed.",
        a => $"Is the frame cracked? {Capital(a.Text)}.",
        a => $"Is the frame cracked? If so, {a.Text}.",
        a => $"Check the frame for cracks. If it is cracked, {a.Text}.",
        a => $"Check the frame for cracks; if you find any, {a.Text}.",
        a => $"Inspect the frame. In that case, {a.Text}.",
        a => $"If the frame rattles, {a.Text} and check it.",
        a => $"If the frame is bent or cracked, {a.Text}.",
        a => $"If the frame is bent, or if it is cracked, {a.Text}.",
        a => $"{Capital(a.Text)} provided that the frame is straight.",
        a => $"Provided the frame is straight, {a.Text}.",
        a => $"As long as the frame is straight, {a.Text}.",
        a => $"Assuming the frame is bent, {a.Text}.",
        a => $"If not, {a.Text}.",
        a => $"If so, {a.Text}.",
        a => $"Otherwise {a.Text}.",
        a => $"Otherwise, {a.Text}.",
        a => $"If you have the wide frame, {a.Text}.",
        a => $"Optional: {a.Text}.",
        a => $"Optionally, {a.Text}.",
        a => $"{Capital(a.Text)} (optional).",
        a => $"If you wish, {a.Text}.",
        a => $"{Capital(a.Text)}, if you like.",
        a => $"{Capital(a.Text)} when the frame is bent.",
        a => $"Whenever the frame is bent, {a.Text}.",
        a => $"In the event of a leak, {a.Text}.",
        a => $"If it leaks: {a.Text}.",
        a => $"If it leaks → {a.Text}.",
        a => $"If it leaks - {a.Text}.",
        a => $"If the frame is in the way, you can {a.Text}.",
        a => $"If the frame is in the way you will have to {a.Text}.",
        a => $"If the frame is in the way, the {a.Done}.",
        a => $"If there's no room, {a.Text}; otherwise go on.",
        a => $"Depending on the machine, {a.Text}.",
        a => $"If equipped with a cab, {a.Text}.",
        a => $"If equipped, {a.Text}.",
        a => $"If the reading is over 2 mm, {a.Text}.",
        a => $"More than 2 mm? {Capital(a.Text)}.",
        a => $"Over 2 mm: {a.Text}.",
        a => $"If it is more than 2 mm out, {a.Text}.",
        a => $"If you can't reach it, {a.Text}.",
        a => $"If there is not enough room, {a.Text}.",
        a => $"If you still hear a noise, {a.Text}.",
        a => $"If it does not turn freely, {a.Text}.",
        a => $"If it still does not turn freely after that, {a.Text}.",
        a => $"If the frame is not straight, {a.Text} before you go on.",
        a => $"You only need to {a.Text} if the frame is bent.",
        a => $"You only have to {a.Text} when the frame is bent.",
        a => $"It may be necessary to {a.Text}.",
        a => $"You may have to {a.Text}.",
        a => $"You might need to {a.Text}.",
        a => $"On some machines you have to {a.Text}.",
    ];

    public static TheoryData<int> TogetherNumbers => [.. Enumerable.Range(0, Together.Length)];

    public static TheoryData<int> TurnedNumbers => [.. Enumerable.Range(0, Turned.Length)];

    public static TheoryData<int> AloneNumbers => [.. Enumerable.Range(0, Alone.Length)];

    public static TheoryData<int> PerhapsNumbers => [.. Enumerable.Range(0, Perhaps.Length)];

    [Theory]
    [MemberData(nameof(TogetherNumbers))]
    public void Both_come_to_what_each_does(int number) =>
        Pairs.Select(p => Failure(Together[number](p.One, p.Two), Both(p))).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(TurnedNumbers))]
    public void What_is_done_first_comes_first(int number) =>
        Pairs.Select(p => Failure(Turned[number](p.One, p.Two), Both(p))).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(AloneNumbers))]
    public void What_is_only_spoken_of_is_not_done(int number) =>
        Pairs.Select(p => Failure(Alone[number](p.One, p.Two), Plain(p.One))).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(PerhapsNumbers))]
    public void A_condition_is_kept(int number) => Pairs.Select(p => p.One).Distinct().Select(a =>
    {
        var sentence = Perhaps[number](a);
        var actions = Step(sentence).Actions.Where(Changes).ToArray();
        var said = string.Join("; ", actions.Select(x => $"{x.Verb} {x.Target} {x.Branch} {x.If}"));
        var plain = string.Join("; ", Step(Capital(a.Text) + ".").Actions.Where(Changes).Select(x => $"{x.Verb} {x.Target}"));
        var right = actions.All(x => x.Branch > 0 || x.If != null)
            && (actions.Length == 0 || string.Join("; ", actions.Select(x => $"{x.Verb} {x.Target}")) == plain);
        return right ? null : $"{sentence} → {said}";
    }).Where(f => f != null).ShouldBeEmpty();

    /// <summary>What stands behind “once” or “after” is told only where the words before have not done it, and where it is known.</summary>
    [Theory]
    [InlineData("Remove the tray bolts.", "Once the tray bolts are removed, lift the tray cover off.", "Remove P1")]
    [InlineData("Remove the tray bolts.", "After removing the tray bolts, lift the tray cover off.", "Remove P1")]
    [InlineData("Remove the tray bolts.", "With the tray bolts loosened, lift the tray cover off.", "Remove P1")]
    [InlineData("Wipe the tray cover.", "Once the tray bolts are removed, lift the tray cover off.", "TakeOut J1, Remove P1")]
    [InlineData("Remove the tray bolts. Start the tray bolts by hand.", "After removing the tray bolts, lift the tray cover off.", "TakeOut J1, Remove P1")]
    [InlineData("Wipe the tray cover.", "After removing the seat, lift the tray cover off.", "Remove P1")]
    [InlineData("Wipe the tray cover.", "After cleaning the tray cover, lift it off.", "Remove P1")]
    [InlineData("Wipe the tray cover.", "Before removing the tray bolts, lift the tray cover off.", "Remove P1")]
    public void What_is_done_by_then_is_done_once(string before, string sentence, string expected)
    {
        var written = new Written().Joint("tray bolts", "25 N·m").Part("tray cover").Steps(before, sentence);
        string.Join(", ", written.Step(2).Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target}")).ShouldBe(expected);
    }

    /// <summary>What may come, and where the machine stands, is no condition of what is done.</summary>
    [Theory]
    [InlineData("Lift the tray cover off with a helper, in case of splinters.")]
    [InlineData("On the left side of the machine, lift the tray cover off.")]
    [InlineData("On the tractor, lift the tray cover off.")]
    [InlineData("Lift the tray cover off from above.")]
    public void What_is_no_condition_is_none(string sentence) =>
        new Written().Part("tray cover").Steps("Wipe the tray cover.", sentence).Step(2).Actions.Where(Changes).ShouldHaveSingleItem().Branch.ShouldBe(0);

    /// <summary>What stands behind words that only seem to lead in a condition, another time or what is left alone is still told.</summary>
    [Theory]
    [InlineData("Avoid contact with the fluid and remove the tray hose.", "Disconnect C2 0")]
    [InlineData("There is no need to remove the tray hose and lift the tray cover off.", "")]
    [InlineData("Avoid removing the tray hose, but lift the tray cover off.", "Remove P3 0")]
    [InlineData("Install the optional rear bracket.", "Fit P2 0")]
    [InlineData("Later, remove the tray cover.", "")]
    [InlineData("There’s no need to remove the tray cover.", "")]
    [InlineData("You needn’t remove the tray cover.", "")]
    [InlineData("Don’t forget to remove the tray cover.", "Remove P3 0")]
    [InlineData("If you haven’t already done so, remove the tray cover.", "Remove P3 0")]
    [InlineData("Hold the frame and then, as described in the manual, remove the tray cover.", "Remove P3 0")]
    [InlineData("Remove the tray cover from the machine.", "Remove P3 0")]
    [InlineData("Remove the tray cover and clean it, as well as the frame.", "Remove P3 0")]
    [InlineData("Remove the tray cover as well as the guard bolts.", "Remove P3 0; TakeOut J2 0")]
    public void What_only_seems_so_is_told(string sentence, string expected)
    {
        var step = Step(sentence);
        string SignOf(StepAction action) => action.Branch > 0 ? step.Branches[action.Branch - 1].Sign : "";
        string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target} {a.Branch} {SignOf(a)}".Trim())).ShouldBe(expected);
    }

    private static string Both((Told One, Told Two) pair) => Plain(pair.One) + "; " + Plain(pair.Two);

    private static string Plain(Told told) => Read(Capital(told.Text) + ".");

    private static string? Failure(string sentence, string expected) =>
        Read(sentence) is var read && read == expected ? null : $"{sentence} → {read} | {expected}";

    private static string Read(string sentence)
    {
        var step = Step(sentence);
        var said = string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target} {a.Branch} {a.Some} {a.If} {a.Torque}".TrimEnd()));
        return step.Questions.Length > 0 ? "asked " + said : said;
    }

    private static Step Step(string sentence) => new Written().Joint("hub nuts", "80 N·m").Joint("guard bolts", "20 N·m").Part("guard").Part("rear bracket")
        .Thing(ThingKind.Connection, "brake hose").Joint("tray bolts", "25 N·m").Part("tray cover").Thing(ThingKind.Connection, "tray hose").Part("frame")
        .Steps("Loosen the hub nuts and the guard bolts. Take the guard off. Remove the rear bracket.", sentence).Step(2);
}
