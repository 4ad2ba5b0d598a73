using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// How many of a set, on which side and with which value: however it is told, the same number of fasteners comes out or goes in, the same side is
/// done, and each value goes to what it is told of. Each way is tried with several verbs.
/// </summary>
public class WaysOfManyTests
{
    private static readonly (string Verb, string Behind)[] Verbs = [("remove", ""), ("take", " out"), ("unscrew", ""), ("install", ""), ("start", " by hand")];

    // All six of the bolts.
    private static readonly Func<string, string, string>[] All =
    [
        (v, b) => $"{Capital(v)} all six tray bolts{b}.",
        (v, b) => $"{Capital(v)} all of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} all 6 tray bolts{b}.",
        (v, b) => $"{Capital(v)} each of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} each of the six tray bolts{b}.",
        (v, b) => $"{Capital(v)} every tray bolt{b}.",
        (v, b) => $"{Capital(v)} each tray bolt{b}.",
        (v, b) => $"{Capital(v)} the six tray bolts{b}.",
        (v, b) => $"{Capital(v)} the six (6) tray bolts{b}.",
        (v, b) => $"{Capital(v)} six tray bolts{b}.",
        (v, b) => $"{Capital(v)} 6 tray bolts{b}.",
        (v, b) => $"{Capital(v)} 6 x tray bolts{b}.",
        (v, b) => $"{Capital(v)} 6x tray bolts{b}.",
        (v, b) => $"{Capital(v)} (6) tray bolts{b}.",
        (v, b) => $"{Capital(v)} tray bolts (6){b}.",
        (v, b) => $"{Capital(v)} tray bolts (x6){b}.",
        (v, b) => $"{Capital(v)} tray bolts (6x){b}.",
        (v, b) => $"{Capital(v)} tray bolts x6{b}.",
        (v, b) => $"{Capital(v)} tray bolts × 6{b}.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, six in all.",
        (v, b) => $"{Capital(v)} the tray bolts{b} (six of them).",
        (v, b) => $"{Capital(v)} the tray bolts{b}. There are six.",
        (v, b) => $"{Capital(v)} the tray bolts{b} (there are six).",
        (v, b) => $"{Capital(v)} the tray bolts{b} one by one.",
        (v, b) => $"{Capital(v)} the tray bolts{b} one at a time.",
        (v, b) => $"{Capital(v)} the tray bolts{b} two at a time.",
        (v, b) => $"One at a time, {v} the tray bolts{b}.",
        (v, b) => $"{Capital(v)} the tray bolts{b} in pairs.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, all six of them.",
        (v, b) => $"{Capital(v)} the tray bolts{b} - all six.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, all of them.",
        (v, b) => $"{Capital(v)} the complete set of tray bolts{b}.",
        (v, b) => $"{Capital(v)} the six M8 tray bolts{b}.",
        (v, b) => $"{Capital(v)} the six M8x25 tray bolts{b}.",
        (v, b) => $"{Capital(v)} six 13 mm tray bolts{b}.",
        (v, b) => $"{Capital(v)} the six tray bolts{b} with a 13 mm socket.",
        (v, b) => $"With a 13 mm socket, {v} the six tray bolts{b}.",
        (v, b) => $"{Capital(v)} the six tray bolts that hold the cover{b}.",
        (v, b) => $"{Capital(v)} the six tray bolts holding the cover{b}.",
        (v, b) => $"The six tray bolts are {Done(v)}{b}.",
        (v, b) => $"All six tray bolts are {Done(v)}{b}.",
        (v, b) => $"You will find six tray bolts. {Capital(v)} them all{b}.",
        (v, b) => $"There are six tray bolts; {v} all of them{b}.",
        (v, b) => $"There are six tray bolts; {v} them{b}.",
        (v, b) => $"There are six tray bolts. {Capital(v)} each one{b}.",
        (v, b) => $"{Capital(v)} all the tray bolts{b}, starting with the middle ones.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, starting in the middle.",
        (v, b) => $"Starting in the middle, {v} the tray bolts{b}.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, three per side.",
        (v, b) => $"{Capital(v)} the tray bolts{b} (three on each side).",
        (v, b) => $"{Capital(v)} the tray bolts on both sides{b}.",
        (v, b) => $"{Capital(v)} the three tray bolts on each side{b}.",
    ];

    // Two of them.
    private static readonly Func<string, string, string>[] Two =
    [
        (v, b) => $"{Capital(v)} two of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} any two of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} two tray bolts{b}.",
        (v, b) => $"{Capital(v)} 2 tray bolts{b}.",
        (v, b) => $"{Capital(v)} 2 of the 6 tray bolts{b}.",
        (v, b) => $"{Capital(v)} two of six tray bolts{b}.",
        (v, b) => $"{Capital(v)} only two of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} just two of the tray bolts{b}.",
        (v, b) => $"Two of the tray bolts are {Done(v)}{b}.",
        (v, b) => $"Of the tray bolts, {v} two{b}.",
        (v, b) => $"Of the six tray bolts, {v} only two{b}.",
        (v, b) => $"{Capital(v)} a couple of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} a pair of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} two opposite tray bolts{b}.",
        (v, b) => $"{Capital(v)} two diagonally opposite tray bolts{b}.",
        (v, b) => $"{Capital(v)} two (2) of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} 2x tray bolts{b}.",
        (v, b) => $"{Capital(v)} (2) tray bolts{b}.",
        (v, b) => $"{Capital(v)} two of the six M8 tray bolts{b}.",
        (v, b) => $"{Capital(v)} two adjacent tray bolts{b}.",
        (v, b) => $"{Capital(v)} two tray bolts{b}, one on each side.",
        (v, b) => $"{Capital(v)} the two upper tray bolts{b}.",
        (v, b) => $"{Capital(v)} the upper two tray bolts{b}.",
        (v, b) => $"{Capital(v)} the top two of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} the two tray bolts at the front{b}.",
        (v, b) => $"{Capital(v)} the two tray bolts nearest to you{b}.",
        (v, b) => $"{Capital(v)} the first two tray bolts{b}.",
        (v, b) => $"{Capital(v)} two tray bolts{b} and leave the others alone.",
        (v, b) => $"{Capital(v)} two of the tray bolts{b}; leave the other four as they are.",
        (v, b) => $"{Capital(v)} all but four of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, but only two of them.",
        (v, b) => $"{Capital(v)} two of the tray bolts{b} so that you can see the frame.",
    ];

    // All but one: five.
    private static readonly Func<string, string, string>[] AllButOne =
    [
        (v, b) => $"{Capital(v)} all but one of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} all the tray bolts{b} except one.",
        (v, b) => $"{Capital(v)} all tray bolts{b} but one.",
        (v, b) => $"{Capital(v)} five of the six tray bolts{b}.",
        (v, b) => $"{Capital(v)} every tray bolt{b} but one.",
        (v, b) => $"{Capital(v)} all the tray bolts{b} except the last one.",
        (v, b) => $"{Capital(v)} all of the tray bolts{b} except for the last.",
        (v, b) => $"{Capital(v)} the tray bolts{b} except for one.",
        (v, b) => $"Except for one, {v} all the tray bolts{b}.",
        (v, b) => $"All but one of the tray bolts are {Done(v)}{b}.",
        (v, b) => $"{Capital(v)} 5 of 6 tray bolts{b}.",
        (v, b) => $"{Capital(v)} all tray bolts{b} apart from one.",
        (v, b) => $"{Capital(v)} the first five tray bolts{b}.",
        (v, b) => $"{Capital(v)} all the tray bolts except one{b}.",
        (v, b) => $"{Capital(v)} all the tray bolts{b}, with the exception of one.",
    ];

    // What is left after two.
    private static readonly Func<string, string, string>[] TheRest =
    [
        (v, b) => $"{Capital(v)} the rest of the tray bolts{b}.",
        (v, b) => $"{Capital(v)} the remaining tray bolts{b}.",
        (v, b) => $"{Capital(v)} the other tray bolts{b}.",
        (v, b) => $"{Capital(v)} the remaining four tray bolts{b}.",
        (v, b) => $"{Capital(v)} the four remaining tray bolts{b}.",
        (v, b) => $"{Capital(v)}{b} the four tray bolts that are left.",
        (v, b) => $"{Capital(v)} the other four tray bolts{b}.",
        (v, b) => $"{Capital(v)} the other four{b}.",
        (v, b) => $"{Capital(v)} the rest{b}.",
        (v, b) => $"{Capital(v)} the others{b}.",
        (v, b) => $"{Capital(v)} the remainder of the tray bolts{b}.",
        (v, b) => $"Now {v} the remaining tray bolts{b}.",
        (v, b) => $"{Capital(v)} the last four tray bolts{b}.",
        (v, b) => $"The remaining tray bolts are {Done(v)}{b}.",
        (v, b) => $"The rest of the tray bolts can now be {Done(v)}{b}.",
        (v, b) => $"{Capital(v)} the remaining ones{b}.",
        (v, b) => $"{Capital(v)}{b} the four that are left.",
        (v, b) => $"{Capital(v)} all the remaining tray bolts{b}.",
        (v, b) => $"{Capital(v)} all of the other tray bolts{b}.",
        (v, b) => $"{Capital(v)} the other four of the six{b}.",
        (v, b) => $"{Capital(v)} four more tray bolts{b}.",
        (v, b) => $"{Capital(v)} another four tray bolts{b}.",
        (v, b) => $"Finally, {v} the remaining four{b}.",
    ];

    // A value for each of two joints: a first, then b.
    private static readonly Func<string, string, string, string, string>[] Values =
    [
        (a, x, b, y) => $"Tighten the {a} to {x} and the {b} to {y}.",
        (a, x, b, y) => $"Tighten the {a} to {x}, then the {b} to {y}.",
        (a, x, b, y) => $"Tighten the {a} ({x}) and the {b} ({y}).",
        (a, x, b, y) => $"Torque {a} to {x}, {b} to {y}.",
        (a, x, b, y) => $"{Capital(a)}: {x}. {Capital(b)}: {y}.",
        (a, x, b, y) => $"{Capital(a)} {x}, {b} {y}.",
        (a, x, b, y) => $"{Capital(a)} {x}; {b} {y}.",
        (a, x, b, y) => $"{Capital(a)} get {x}, {b} get {y}.",
        (a, x, b, y) => $"The {a} get {x} and the {b} {y}.",
        (a, x, b, y) => $"The {a} are tightened to {x}, the {b} to {y}.",
        (a, x, b, y) => $"Tighten the {a} to {x}. Tighten the {b} to {y}.",
        (a, x, b, y) => $"Tighten the {a} to {x} first and the {b} to {y} afterwards.",
        (a, x, b, y) => $"Tighten first the {a} to {x}, then the {b} to {y}.",
        (a, x, b, y) => $"First tighten the {a} to {x}; then the {b}, to {y}.",
        (a, x, b, y) => $"Tighten the {a} and the {b} to {x} and {y} respectively.",
        (a, x, b, y) => $"Tighten the {a} and the {b} to {x} and {y}, respectively.",
        (a, x, b, y) => $"Apply {x} to the {a} and {y} to the {b}.",
        (a, x, b, y) => $"{x} on the {a} and {y} on the {b}.",
        (a, x, b, y) => $"{x} for the {a}, {y} for the {b}.",
        (a, x, b, y) => $"Give the {a} {x} and the {b} {y}.",
        (a, x, b, y) => $"With a torque wrench, tighten the {a} to {x} and the {b} to {y}.",
        (a, x, b, y) => $"Set the wrench to {x} and tighten the {a}; set it to {y} and tighten the {b}.",
        (a, x, b, y) => $"Tighten to torque: {a} {x}, {b} {y}.",
        (a, x, b, y) => $"Tighten to the following torques: {a} {x}; {b} {y}.",
        (a, x, b, y) => $"Tighten to specification:\n{a}: {x}\n{b}: {y}",
        (a, x, b, y) => $"Tighten:\n- {a} to {x}\n- {b} to {y}",
        (a, x, b, y) => $"Torque the {a} at {x} and the {b} at {y}.",
        (a, x, b, y) => $"Torque the {a} to {x}, and do the {b} up to {y}.",
        (a, x, b, y) => $"Tighten the {a} and {b}. Torque: {a} {x}, {b} {y}.",
        (a, x, b, y) => $"Tighten the {a} (to {x}) and then the {b} (to {y}).",
        (a, x, b, y) => $"Tighten the {a} to {x}, while the {b} get {y}.",
        (a, x, b, y) => $"Tighten the {a} to {x}, but the {b} to {y}.",
        (a, x, b, y) => $"Tighten the {a} to {x}, the {b} only to {y}.",
        (a, x, b, y) => $"{x} goes on the {a}, {y} on the {b}.",
        (a, x, b, y) => $"Now torque: {x} for the {a} and {y} for the {b}.",
        (a, x, b, y) => $"Tighten the {a} to {x} and, after that, the {b} to {y}.",
        (a, x, b, y) => $"Using a torque wrench, bring the {a} to {x} and the {b} to {y}.",
        (a, x, b, y) => $"Tighten the {a} = {x} and the {b} = {y}.",
        (a, x, b, y) => $"Tighten the {a} – {x} – and the {b} – {y}.",
        (a, x, b, y) => $"Tighten the {a} to their final torque of {x} and the {b} to theirs of {y}.",
        (a, x, b, y) => $"Having tightened the {a} to {x}, tighten the {b} to {y}.",
        (a, x, b, y) => $"After tightening the {a} to {x}, torque the {b} to {y}.",
        (a, x, b, y) => $"Tighten both: the {a} to {x}, the {b} to {y}.",
    ];

    // On the left side only.
    private static readonly Func<string, string, string>[] Left =
    [
        (v, o) => $"{Capital(v)} the left {o}.",
        (v, o) => $"{Capital(v)} the left-hand {o}.",
        (v, o) => $"{Capital(v)} the LH {o}.",
        (v, o) => $"{Capital(v)} the {o} on the left.",
        (v, o) => $"{Capital(v)} the {o} on the left side.",
        (v, o) => $"{Capital(v)} the {o} on the left-hand side.",
        (v, o) => $"{Capital(v)} the {o} at the left.",
        (v, o) => $"{Capital(v)} the {o} of the left side.",
        (v, o) => $"On the left, {v} the {o}.",
        (v, o) => $"On the left side, {v} the {o}.",
        (v, o) => $"On the left-hand side, {v} the {o}.",
        (v, o) => $"Left side: {v} the {o}.",
        (v, o) => $"Left: {v} the {o}.",
        (v, o) => $"LH: {v} the {o}.",
        (v, o) => $"LH side: {v} the {o}.",
        (v, o) => $"{Capital(v)} the {o} (left).",
        (v, o) => $"{Capital(v)} the {o} (left side).",
        (v, o) => $"{Capital(v)} the {o} (LH).",
        (v, o) => $"{Capital(v)} the {o}, left side.",
        (v, o) => $"{Capital(v)} the {o}, left side only.",
        (v, o) => $"{Capital(v)} the {o} on the left only.",
        (v, o) => $"{Capital(v)} only the left {o}.",
        (v, o) => $"The left {o} {(o.EndsWith('s') ? "are" : "is")} {Done(v)}.",
        (v, o) => $"{Capital(v)} the {o} from the left side.",
        (v, o) => $"Go to the left side and {v} the {o}.",
        (v, o) => $"Working on the left side, {v} the {o}.",
        (v, o) => $"Start on the left: {v} the {o}.",
        (v, o) => $"Starting on the left side, {v} the {o}.",
        (v, o) => $"{Capital(v)} the {o} on the left first.",
        (v, o) => $"First {v} the left {o}.",
        (v, o) => $"Do the left side first: {v} the {o}.",
    ];

    public static TheoryData<string, int> Counts =>
        [.. new[] { ("all", All), ("two", Two), ("all but one", AllButOne), ("the rest", TheRest) }
            .SelectMany(k => Enumerable.Range(0, k.Item2.Length).Select(i => new TheoryDataRow<string, int>(k.Item1, i)))];

    public static TheoryData<int> ValueNumbers => [.. Enumerable.Range(0, Values.Length)];

    public static TheoryData<int> LeftNumbers => [.. Enumerable.Range(0, Left.Length)];

    [Theory]
    [MemberData(nameof(Counts))]
    public void So_many_are_so_many_however_it_is_told(string kind, int number)
    {
        var (ways, left, count) = kind switch
        {
            "all" => (All, 6, 6),
            "two" => (Two, 6, 2),
            "all but one" => (AllButOne, 6, 5),
            _ => (TheRest, 4, 4),
        };
        Verbs.Select(v =>
        {
            var off = v.Verb is not ("install" or "start");
            var verb = off ? "Remove" : "Install";
            var written = new Written().Joint("hub nuts", "80 N·m").Set("hub nuts", "count", "5").Joint("tray bolts", "25 N·m", fastener: "M8x25 8.8").Set("tray bolts", "count", "6")
                .Part("tray cover").Part("frame");
            written.Steps(off ? "Wipe the frame." : "Remove the tray bolts.", left == 4 ? $"{verb} two of the tray bolts." : "Wipe the frame.", ways[number](v.Verb, v.Behind));
            var step = written.Step(3);
            var actions = step.Actions.Where(Changes).ToArray();
            var told = off ? Verb.TakeOut : Verb.Start;
            var right = step.Questions.Length == 0 && actions.Length > 0 && actions.All(a => a.Verb == told && a.Target == "J2" && a.Branch == 0)
                && actions.Sum(a => a.Some ?? left) == count && written.Sheet.Joints.Length == 2 && written.Sheet.Parts.Length == 2;
            var asked = step.Questions.Length > 0 ? "asked " : "";
            return right ? null : asked + ways[number](v.Verb, v.Behind) + " → " + string.Join("; ", actions.Select(a => $"{a.Verb} {a.Some} {a.Target} {a.Branch}"));
        }).Where(f => f != null).ShouldBeEmpty();
    }

    [Theory]
    [MemberData(nameof(ValueNumbers))]
    public void Each_value_goes_to_what_it_is_told_of(int number)
    {
        (string, string)[] names = [("tray bolts", "hub nuts"), ("hub nuts", "tray bolts"), ("guard bolts", "tray bolts")];
        (string, string)[] values = [("25 N·m", "80 N·m"), ("18 lb-ft", "33 lb-ft"), ("12 Nm", "9.5 Nm")];
        names.SelectMany(n => values.Select(v => (n, v))).Select(c =>
        {
            var ((a, b), (x, y)) = c;
            var sentence = Values[number](a, x, b, y);
            var written = new Written().Joint("hub nuts").Joint("guard bolts").Joint("tray bolts").Steps("Start the hub nuts, the guard bolts and the tray bolts by hand.", sentence);
            var step = written.Step(2);
            string Id(string name) => written.Sheet.Joints.Single(j => j.Name == name).Id;
            string Value(string value) => TorqueText.Parse(value).Value.ToString()!;
            var said = string.Join("; ", step.Actions.Where(Changes).Select(s => $"{s.Verb} {s.Target} {s.Torque}"));
            var told = $"Torque {Id(a)} {Value(x)}; Torque {Id(b)} {Value(y)}";
            return said == told && step.Questions.Length == 0 ? null : $"{(step.Questions.Length > 0 ? "asked " : "")}{sentence} → {said} | {told}";
        }).Where(f => f != null).ShouldBeEmpty();
    }

    [Theory]
    [MemberData(nameof(LeftNumbers))]
    public void One_side_is_one_side_however_it_is_told(int number)
    {
        (string, string, string)[] cases =
        [
            ("remove", "tray bolts", "TakeOut J1"), ("loosen", "tray bolts", "Loosen J1"), ("remove", "tray cover", "Remove P1"),
            ("disconnect", "tray hose", "Disconnect C1"), ("tighten", "tray bolts", "Torque J1"),
        ];
        cases.Select(c =>
        {
            var sentence = Left[number](c.Item1, c.Item2);
            var written = new Written().Joint("tray bolts", "25 N·m").Part("tray cover").Thing(ThingKind.Connection, "tray hose").Part("frame")
                .Steps("Wipe the frame.", "Repeat step 1 on the right-hand side.", sentence);
            var step = written.Step(3);
            var said = string.Join("; ", step.Actions.Where(Changes).Select(s => $"{s.Verb} {s.Target} {s.Side} {s.Only} {s.Branch}"));
            return said == $"{c.Item3} Left  0" && step.Questions.Length == 0 ? null : $"{(step.Questions.Length > 0 ? "asked " : "")}{sentence} → {said}";
        }).Where(f => f != null).ShouldBeEmpty();
    }

    /// <summary>What only looks like a count, a side or a value for each is none.</summary>
    [Theory]
    [InlineData("Tighten the tray bolts to 25 N·m on the left and 30 N·m on the right.", "Torque J1 25 N·m Left; Torque J1 30 N·m Right")]
    [InlineData("Press the 35 x 20 mm bushing in.", "Fit P2")]
    [InlineData("Torque the tray bolts (25).", "asked Torque J1")]
    [InlineData("Remove a third of the tray bolts.", "asked")]
    [InlineData("Start two by hand.", "asked")]
    [InlineData("Pull the tray cover apart from one side.", "Remove P1")]
    [InlineData("Move to the left side and take the tray cover off. Take the tray bolts out.", "Remove P1 Left; TakeOut J1")]
    [InlineData("Working on the left side, remove the tray bolts and lift the tray cover off.", "TakeOut J1 Left; Remove P1 Left")]
    [InlineData("Set the wrench to 25 N·m. Tighten the tray bolts, and the hub nuts to 80 N·m.", "Torque J1 25 N·m; Torque J2 80 N·m")]
    [InlineData("Set the wrench to 25 N·m and tighten the tray bolts. Then tighten the hub nuts.", "Torque J1 25 N·m; Torque J2 25 N·m")]
    [InlineData("Set the wrench to 25 N·m and tighten the tray bolts. Then tighten the guard bolts.", "Torque J1 25 N·m; Torque J3")]
    [InlineData("Hold the tray cover while a helper tightens the tray bolts to 25 N·m.", "Torque J1 25 N·m")]
    [InlineData("Torque the tray bolts to 12 N·m, one, two, three.", "Torque J1 12 N·m")]
    [InlineData("Tighten the tray bolts to 12 N·m, 1, 3, 2, 4.", "Torque J1 12 N·m")]
    [InlineData("Loosen the tray bolts, 1, 2, 99999999999999.", "Loosen J1")]
    [InlineData("Apply 25 N·m to the tray bolts and 90° to the hub nuts.", "Torque J1 25 N·m; TurnOn J2 90")]
    public void What_only_looks_so_is_not_taken_for_it(string sentence, string expected)
    {
        var step = new Written().Joint("tray bolts").Set("tray bolts", "count", "6").Joint("hub nuts").Joint("guard bolts", "9 N·m")
            .Part("tray cover").Part("bushing").Steps("Wipe the tray cover.", sentence).Step(2);
        string Of(StepAction a) => $"{a.Verb} {a.Target} {a.Torque}{a.Angle:0} {a.Side}".Trim().Replace("  ", " ");
        var asked = step.Questions.Length > 0 ? "asked " : "";
        (asked + string.Join("; ", step.Actions.Where(Changes).Select(Of))).Trim().ShouldBe(expected);
    }

    private static string Done(string verb) => verb == "start" ? "started" : Ed(verb);
}
