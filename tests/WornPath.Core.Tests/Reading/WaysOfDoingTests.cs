using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// With what, by whom and in which voice a thing is done: the same is done, the tool is on the sheet's list, the second pair of hands is counted,
/// and neither becomes a part. Each way is tried with several verbs and things; what the plain sentence comes to is what it has to come to.
/// </summary>
public class WaysOfDoingTests
{
    private static readonly (string Verb, string What, string Behind)[] Cases =
    [
        ("remove", "tray bolts", ""), ("take", "tray cover", " off"), ("undo", "tray bolts", ""), ("loosen", "tray bolts", ""),
        ("install", "tray cover", ""), ("disconnect", "tray hose", ""), ("lift", "tray cover", " out"), ("tighten", "tray bolts", " to 25 N·m"),
    ];

    private static readonly string[] Tools = ["13 mm socket", "pry bar", "soft mallet", "long screwdriver"];

    // The verb, the thing, what stands behind, the tool.
    private static readonly Func<string, string, string, string, string>[] WithTool =
    [
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} using a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}, using the {t}.",
        (v, o, b, t) => $"Use a {t} to {v} the {o}{b}.",
        (v, o, b, t) => $"Use the {t} and {v} the {o}{b}.",
        (v, o, b, t) => $"Take a {t} and {v} the {o}{b}.",
        (v, o, b, t) => $"Take the {t} to the {o} and {v} {(o.EndsWith('s') ? "them" : "it")}{b}.",
        (v, o, b, t) => $"Grab a {t} and {v} the {o}{b}.",
        (v, o, b, t) => $"Get a {t} and {v} the {o}{b}.",
        (v, o, b, t) => $"With a {t}, {v} the {o}{b}.",
        (v, o, b, t) => $"With the help of a {t}, {v} the {o}{b}.",
        (v, o, b, t) => $"With the aid of a {t} {v} the {o}{b}.",
        (v, o, b, t) => $"By means of a {t}, {v} the {o}{b}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} by means of a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with the help of a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} (use a {t}).",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} ({t}).",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} - use a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}; use a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}. Use a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}. Use a {t} for this.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}. A {t} works well here.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}. A {t} helps.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}. You will need a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}; you'll need a {t} for it.",
        (v, o, b, t) => $"You will need a {t} to {v} the {o}{b}.",
        (v, o, b, t) => $"Tool: {t}. {Capital(v)} the {o}{b}.",
        (v, o, b, t) => $"Tools required: {t}. {Capital(v)} the {o}{b}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} [{t}].",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}, {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} - {t}.",
        (v, o, b, t) => $"{Capital(t)}: {v} the {o}{b}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with your {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with a {t} or similar.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with a suitable {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}, preferably with a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}, ideally using a {t}.",
        (v, o, b, t) => $"Using a {t} if necessary, {v} the {o}{b}.",
        (v, o, b, t) => $"Using the {t} from the tray, {v} the {o}{b}.",
        (v, o, b, t) => $"Having a {t} at hand, {v} the {o}{b}.",
        (v, o, b, t) => $"Reach in with a {t} and {v} the {o}{b}.",
        (v, o, b, t) => $"A {t} is used to {v} the {o}{b}.",
        (v, o, b, t) => $"The {o} {(o.EndsWith('s') ? "are" : "is")} {Ed(v)}{b} with a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with a {t}, not by hand.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with a {t} and a second one to hold against.",
        (v, o, b, t) => $"Pick up the {t} and {v} the {o}{b}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} with nothing but a {t}.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b}. The {t} will fit from above.",
        (v, o, b, t) => $"{Capital(v)} the {o}{b} by using a {t}.",
    ];

    // The verb, the thing, what stands behind: two people are needed.
    private static readonly Func<string, string, string, string>[] WithHelp =
    [
        (v, o, b) => $"With a helper, {v} the {o}{b}.",
        (v, o, b) => $"With an assistant, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} with the help of a second person.",
        (v, o, b) => $"{Capital(v)} the {o}{b} with a second person.",
        (v, o, b) => $"{Capital(v)} the {o}{b} (two people).",
        (v, o, b) => $"{Capital(v)} the {o}{b} (2 persons).",
        (v, o, b) => $"{Capital(v)} the {o}{b} (two-person job).",
        (v, o, b) => $"{Capital(v)} the {o}{b}. This takes two people.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. This is a two-man job.",
        (v, o, b) => $"{Capital(v)} the {o}{b}; it takes two.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Two people are needed.",
        (v, o, b) => $"{Capital(v)} the {o}{b} between two people.",
        (v, o, b) => $"{Capital(v)} the {o}{b} with two people.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Get help.",
        (v, o, b) => $"Get someone to help you and {v} the {o}{b}.",
        (v, o, b) => $"Have a helper ready and {v} the {o}{b}.",
        (v, o, b) => $"Ask somebody to help you {v} the {o}{b}.",
        (v, o, b) => $"Two people {v} the {o}{b}.",
        (v, o, b) => $"You and a helper {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} together with a colleague.",
        (v, o, b) => $"{Capital(v)} the {o}{b}; a second pair of hands helps.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, one person on each side.",
        (v, o, b) => $"One person on each side, {v} the {o}{b}.",
        (v, o, b) => $"While a helper steadies the frame, {v} the {o}{b}.",
        (v, o, b) => $"While somebody holds the frame, {v} the {o}{b}.",
        (v, o, b) => $"Have someone hold the frame while you {v} the {o}{b}.",
        (v, o, b) => $"Let a helper hold the frame and {v} the {o}{b}.",
        (v, o, b) => $"Have an assistant support the frame and {v} the {o}{b}.",
        (v, o, b) => $"A helper holds the frame; {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} while a second person holds the frame.",
        (v, o, b) => $"{Capital(v)} the {o}{b} with someone holding the frame.",
        (v, o, b) => $"With a helper holding the frame, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Do not do this alone.",
        (v, o, b) => $"Do not {v} the {o}{b} alone. With a mate, {v} the {o}{b}.",
        (v, o, b) => $"The {o} {(o.EndsWith('s') ? "are" : "is")} {Ed(v)}{b} by two people.",
        (v, o, b) => $"2 people: {v} the {o}{b}.",
        (v, o, b) => $"Two people required: {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} with an extra pair of hands.",
    ];

    // What is done, told of the thing.
    private static readonly Func<string, string, string, string>[] Voices =
    [
        (o, are, done) => $"The {o} {are} {done}.",
        (o, are, done) => $"The {o} {are} now {done}.",
        (o, are, done) => $"The {o} {are} then {done}.",
        (o, are, done) => $"The {o} {are} to be {done}.",
        (o, are, done) => $"The {o} can be {done}.",
        (o, are, done) => $"The {o} can now be {done}.",
        (o, are, done) => $"The {o} may be {done}.",
        (o, are, done) => $"The {o} may now be {done}.",
        (o, are, done) => $"The {o} must be {done}.",
        (o, are, done) => $"The {o} must now be {done}.",
        (o, are, done) => $"The {o} should be {done}.",
        (o, are, done) => $"The {o} should next be {done}.",
        (o, are, done) => $"The {o} will have to be {done}.",
        (o, are, done) => $"The {o} {(are == "are" ? "have" : "has")} to be {done}.",
        (o, are, done) => $"The {o} {(are == "are" ? "need" : "needs")} to be {done}.",
        (o, are, done) => $"The {o} shall be {done}.",
        (o, are, done) => $"The {o} {(are == "are" ? "get" : "gets")} {done}.",
        (o, are, done) => $"The {o} {are} {done} next.",
        (o, are, done) => $"The {o} {are} {done} by the fitter.",
        (o, are, done) => $"The {o} {are} {done} by hand.",
        (o, are, done) => $"Next, the {o} {are} {done}.",
        (o, are, done) => $"Next the {o} must be {done}.",
        (o, are, done) => $"Now the {o} can be {done}.",
        (o, are, done) => $"At this point the {o} can be {done}.",
        (o, are, done) => $"Once there is room, the {o} can be {done}.",
        (o, are, done) => $"This allows the {o} to be {done}. The {o} {are} then {done}.",
        (o, are, done) => $"Only now may the {o} be {done}.",
        (o, are, done) => $"Now {are} the {o} {done}.",
        (o, are, done) => $"Have the {o} {done}.",
        (o, are, done) => $"Get the {o} {done}.",
        (o, are, done) => $"The {o} can be carefully {done}.",
        (o, are, done) => $"The {o} {are} carefully {done}.",
        (o, are, done) => $"The {o}, which {are} easy to reach, can be {done}.",
        (o, are, done) => $"The {o} (at the rear) {are} {done}.",
        (o, are, done) => $"See that the {o} {are} {done}.",
        (o, are, done) => $"The {o} {are} {done} from below.",
        (o, are, done) => $"It is now time for the {o} to be {done}.",
        (o, are, done) => $"The {o} {are} ready to be {done}. The {o} must be {done}.",
        (o, are, done) => $"{Capital(o)} to be {done}.",
        (o, are, done) => $"{Capital(o)} must be {done}.",
        (o, are, done) => $"{Capital(o)} {are} {done}.",
        (o, are, done) => $"{Capital(o)} {done}.",
    ];

    // The verb and its thing, with how and until when: nothing else is done.
    private static readonly Func<string, string, string, string>[] Manners =
    [
        (v, o, b) => $"{Capital(v)} the {o}{b} by hand.",
        (v, o, b) => $"{Capital(v)} the {o}{b} without using force.",
        (v, o, b) => $"{Capital(v)} the {o}{b} without damaging the paint.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, being careful with the paint.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, taking your time.",
        (v, o, b) => $"{Capital(v)} the {o}{b} as shown.",
        (v, o, b) => $"{Capital(v)} the {o}{b} as described above.",
        (v, o, b) => $"{Capital(v)} the {o}{b} as follows.",
        (v, o, b) => $"{Capital(v)} the {o}{b} in the order shown.",
        (v, o, b) => $"{Capital(v)} the {o}{b} working from left to right.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, working your way round.",
        (v, o, b) => $"{Capital(v)} the {o}{b} in one go.",
        (v, o, b) => $"{Capital(v)} the {o}{b} little by little.",
        (v, o, b) => $"{Capital(v)} the {o}{b} a little at a time.",
        (v, o, b) => $"{Capital(v)} the {o}{b} for now.",
        (v, o, b) => $"{Capital(v)} the {o}{b} at this stage.",
        (v, o, b) => $"{Capital(v)} the {o}{b} for good measure.",
        (v, o, b) => $"{Capital(v)} the {o}{b} from underneath.",
        (v, o, b) => $"{Capital(v)} the {o}{b} through the opening.",
        (v, o, b) => $"{Capital(v)} the {o}{b} from inside the frame.",
        (v, o, b) => $"{Capital(v)} the {o}{b} while standing at the rear.",
        (v, o, b) => $"{Capital(v)} the {o}{b} while you are there.",
        (v, o, b) => $"While you are at it, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, then take a break.",
        (v, o, b) => $"{Capital(v)} the {o}{b} if you have not done so yet.",
        (v, o, b) => $"If not already done, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, whichever way is easiest.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, which is easier from below.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Take care!",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Easy does it.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. It is easier than it looks.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. That's it.",
        (v, o, b) => $"{Capital(v)} the {o}{b}. Do not force anything.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, but don't force it.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, minding your fingers.",
        (v, o, b) => $"Mind your fingers and {v} the {o}{b}.",
        (v, o, b) => $"Wear gloves and {v} the {o}{b}.",
        (v, o, b) => $"Wearing gloves, {v} the {o}{b}.",
        (v, o, b) => $"Put your gloves on and {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} wearing safety glasses.",
        (v, o, b) => $"Standing clear of the frame, {v} the {o}{b}.",
        (v, o, b) => $"{Capital(v)} the {o}{b} within five minutes.",
        (v, o, b) => $"{Capital(v)} the {o}{b} (about 5 minutes).",
        (v, o, b) => $"{Capital(v)} the {o}{b}, about 10 mm at a time.",
        (v, o, b) => $"{Capital(v)} the {o}{b}, as it were.",
        (v, o, b) => $"{Capital(v)} the {o}{b} at ground level.",
        (v, o, b) => $"{Capital(v)} the {o}{b} on a clean surface.",
        (v, o, b) => $"{Capital(v)} the {o}{b} at the same time.",
        (v, o, b) => $"{Capital(v)} the {o}{b} per the drawing.",
        (v, o, b) => $"{Capital(v)} the {o}{b} in accordance with the drawing.",
        (v, o, b) => $"According to the drawing, {v} the {o}{b}.",
    ];

    public static TheoryData<int> Of(string kind) => [.. Enumerable.Range(0, kind switch
    {
        "tool" => WithTool.Length,
        "help" => WithHelp.Length,
        "voice" => Voices.Length,
        _ => Manners.Length,
    })];

    [Theory]
    [MemberData(nameof(Of), "tool")]
    public void What_it_is_done_with_is_a_tool_and_the_same_is_done(int number) =>
        Cases.SelectMany(c => Tools.Select(t => (Case: c, Tool: t))).Select(x =>
        {
            var ((verb, what, behind), tool) = x;
            var sentence = WithTool[number](verb, what, behind, tool);
            var written = Sheet().Steps(Before(verb, what), sentence);
            var known = written.Sheet.Tools.Any(t => t.Name.Contains(tool.Split(' ')[^1], StringComparison.OrdinalIgnoreCase));
            return Compared(written, sentence, verb, what, behind) is { } bad ? bad : known ? null : $"tool not known: {sentence}";
        }).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(Of), "help")]
    public void Who_helps_is_counted_and_the_same_is_done(int number) =>
        Cases.Select(c =>
        {
            var sentence = WithHelp[number](c.Verb, c.What, c.Behind);
            var written = Sheet().Steps(Before(c.Verb, c.What), sentence);
            return Compared(written, sentence, c.Verb, c.What, c.Behind) is { } bad ? bad : written.Step(2).Hands >= 2 ? null
                : $"hands {written.Step(2).Hands}: {sentence}";
        }).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(Of), "voice")]
    public void What_is_done_to_it_is_done(int number) =>
        Cases.Where(c => c.Verb != "tighten").Select(c =>
        {
            var sentence = Voices[number](c.What, c.What.EndsWith('s') ? "are" : "is", Ed(c.Verb) + c.Behind);
            return Compared(Sheet().Steps(Before(c.Verb, c.What), sentence), sentence, c.Verb, c.What, c.Behind);
        }).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(Of), "manner")]
    public void How_it_is_done_is_nothing_else_that_is_done(int number) =>
        Cases.Select(c =>
        {
            var sentence = Manners[number](c.Verb, c.What, c.Behind);
            return Compared(Sheet().Steps(Before(c.Verb, c.What), sentence), sentence, c.Verb, c.What, c.Behind);
        }).Where(f => f != null).ShouldBeEmpty();

    private static Written Sheet() => new Written().Joint("hub nuts", "80 N·m").Joint("tray bolts",
        "25 N·m").Part("tray cover").Thing(ThingKind.Connection, "tray hose").Part("frame");

    private static string Before(string verb, string what) => verb is "install" or "tighten" ? $"Remove the {what}." : "Wipe the frame.";

    private static string? Compared(Written written, string sentence, string verb, string what, string behind)
    {
        static string Said(Step step) => string.Join("; ", step.Actions.Where(Changes).Select(a =>
            $"{a.Verb} {a.Target} {a.Some} {a.Torque} {a.Side} {a.Branch}"));
        var plain = Sheet().Steps(Before(verb, what), $"{Capital(verb)} the {what}{behind}.");
        var (step, told) = (written.Step(2), Said(plain.Step(2)));
        if (Said(step) == told && step.Questions.Length == 0 && written.Sheet.Parts.Length == 2 && written.Sheet.Joints.Length == 2) return null;
        var more = string.Join(", ", written.Sheet.Parts.Skip(2).Select(p => p.Name).Concat(written.Sheet.Joints.Skip(2).Select(j => j.Name)));
        return $"{(step.Questions.Length > 0 ? $"asked [{step.Questions[0].Phrase}] " : "")}{sentence} → {Said(step)} | {told} {(more.Length > 0 ? "new: " + more : "")}";
    }
}
