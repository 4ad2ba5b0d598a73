using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Sentences that point at a figure: its number, a balloon's, an arrow, an item of a drawing. However it is pointed, the same is done, and
/// nothing of the pointing becomes a thing of the sheet. Each way is tried with several verbs.
/// </summary>
public class WaysOfPointingTests
{
    private static readonly (string Verb, string Behind)[] Verbs = [("remove", ""), ("take", " out"), ("unscrew", ""), ("install", ""), ("start",
        " by hand"), ("loosen", "")];

    private static readonly Func<string, string, string>[] One =
    [
        (v, b) => $"{Capital(v)} the tray bolts{b} as shown.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, as shown.",
        (v, b) => $"{Capital(v)} the tray bolts{b} (as shown).",
        (v, b) => $"{Capital(v)} the tray bolts{b} as pictured.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as illustrated.",
        (v, b) => $"{Capital(v)} the tray bolts{b} like in the picture.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as in the picture.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as in figure 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as per figure 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as shown in figure 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as shown in fig. 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as shown below.",
        (v, b) => $"{Capital(v)} the tray bolts{b} as shown in the figure below.",
        (v, b) => $"{Capital(v)} the tray bolts{b} (see figure).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (see figure 2).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (see fig. 2).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (fig. 2).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (Fig 2).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (Figure 2, item 3).",
        (v, b) => $"{Capital(v)} the tray bolts{b}, see figure 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b}; see figure 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b}. See figure 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b}. Figure 2 shows where they are.",
        (v, b) => $"{Capital(v)} the tray bolts{b}. The picture shows their places.",
        (v, b) => $"See figure 2 and {v} the tray bolts{b}.",
        (v, b) => $"See figure 2. {Capital(v)} the tray bolts{b}.",
        (v, b) => $"Refer to figure 2 and {v} the tray bolts{b}.",
        (v, b) => $"Referring to figure 2, {v} the tray bolts{b}.",
        (v, b) => $"With reference to figure 2, {v} the tray bolts{b}.",
        (v, b) => $"As shown in figure 2, {v} the tray bolts{b}.",
        (v, b) => $"As the picture shows, {v} the tray bolts{b}.",
        (v, b) => $"Figure 2: {v} the tray bolts{b}.",
        (v, b) => $"Fig. 2: {v} the tray bolts{b}.",
        (v, b) => $"{Capital(v)} the tray bolts (1){b}.",
        (v, b) => $"{Capital(v)} the tray bolts [1]{b}.",
        (v, b) => $"{Capital(v)} the tray bolts (A){b}.",
        (v, b) => $"{Capital(v)} the tray bolts, A{b}.",
        (v, b) => $"{Capital(v)} the tray bolts (item 1){b}.",
        (v, b) => $"{Capital(v)} the tray bolts (no. 1){b}.",
        (v, b) => $"{Capital(v)} the tray bolts (balloon 1){b}.",
        (v, b) => $"{Capital(v)} the tray bolts (arrow){b}.",
        (v, b) => $"{Capital(v)} the tray bolts (arrowed){b}.",
        (v, b) => $"{Capital(v)} the tray bolts (arrows){b}.",
        (v, b) => $"{Capital(v)} the tray bolts{b} (arrowed).",
        (v, b) => $"{Capital(v)} the tray bolts{b}, arrowed.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, balloon 1.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, item 1 in figure 2.",
        (v, b) => $"{Capital(v)} the tray bolts{b}, number 1 in the picture.",
        (v, b) => $"{Capital(v)} the arrowed tray bolts{b}.",
        (v, b) => $"{Capital(v)} the circled tray bolts{b}.",
        (v, b) => $"{Capital(v)} the highlighted tray bolts{b}.",
        (v, b) => $"{Capital(v)} the indicated tray bolts{b}.",
        (v, b) => $"{Capital(v)} the pictured tray bolts{b}.",
        (v, b) => $"{Capital(v)} the tray bolts shown{b}.",
        (v, b) => $"{Capital(v)} the tray bolts arrowed{b}.",
        (v, b) => $"{Capital(v)} the tray bolts indicated{b}.",
        (v, b) => $"{Capital(v)} the tray bolts circled in the picture{b}.",
        (v, b) => $"{Capital(v)} the tray bolts marked A{b}.",
        (v, b) => $"{Capital(v)} the tray bolts marked 1 in the picture{b}.",
        (v, b) => $"{Capital(v)} the tray bolts marked with arrows{b}.",
        (v, b) => $"{Capital(v)} the tray bolts numbered 1 to 4 in the figure{b}.",
        (v, b) => $"{Capital(v)} the tray bolts shown by the arrows{b}.",
        (v, b) => $"{Capital(v)} the tray bolts the arrow points at{b}.",
        (v, b) => $"{Capital(v)} the tray bolts where the arrows point{b}.",
        (v, b) => $"{Capital(v)} the tray bolts in the picture{b}.",
        (v, b) => $"{Capital(v)} the tray bolts in figure 2{b}.",
        (v, b) => $"{Capital(v)} the tray bolts in the order shown{b}.",
        (v, b) => $"{Capital(v)} the tray bolts{b} in the order shown in the figure.",
        (v, b) => $"{Capital(v)} the tray bolts{b} in the order of the numbers.",
        (v, b) => $"{Capital(v)} the tray bolts{b} following the numbers in the picture.",
        (v, b) => $"{Capital(v)} the tray bolts{b}. The arrow shows which way.",
        (v, b) => $"{Capital(v)} the tray bolts{b} (view from below).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (shown from below).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (left picture).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (upper picture, arrow).",
        (v, b) => $"{Capital(v)} the tray bolts{b} (picture shows the left side).",
    ];

    // Two things, each with its number or letter.
    private static readonly Func<string, string, string, string>[] Two =
    [
        (v, x, y) => $"{Capital(v)} the tray bolts ({x}) and the tray cover ({y}).",
        (v, x, y) => $"{Capital(v)} the tray bolts [{x}] and the tray cover [{y}].",
        (v, x, y) => $"{Capital(v)} tray bolts ({x}) and tray cover ({y}).",
        (v, x, y) => $"{Capital(v)} the tray bolts (item {x}) and the tray cover (item {y}).",
        (v, x, y) => $"{Capital(v)} the tray bolts ({x}, figure 2) and the tray cover ({y}, figure 2).",
        (v, x, y) => $"{Capital(v)} the tray bolts ({x}). {Capital(v)} the tray cover ({y}).",
        (v, x, y) => $"{Capital(v)} the tray bolts ({x}), then the tray cover ({y}).",
        (v, x, y) => $"{Capital(v)} the tray bolts ({x}) and then {v} the tray cover ({y}), as shown.",
    ];

    public static TheoryData<int> Ones => [.. Enumerable.Range(0, One.Length)];

    public static TheoryData<int> Twos => [.. Enumerable.Range(0, Two.Length)];

    private static Written Start(bool isOff) => new Written().Joint("hub nuts", "80 N·m").Joint("tray bolts", "25 N·m").Set("tray bolts", "count",
        "4").Part("tray cover").Part("frame")
        .Steps(isOff ? "Remove the tray bolts and the tray cover." : "Wipe the frame.");

    [Theory]
    [MemberData(nameof(Ones))]
    public void The_same_is_done_however_it_is_pointed_at(int number) => Verbs.Select(v =>
    {
        var isOff = v.Verb is "install" or "start";
        var sentence = One[number](v.Verb, v.Behind);
        var written = Start(isOff).Steps(sentence);
        var step = written.Step(2);
        var told = v.Verb switch { "install" or "start" => Verb.Start, "loosen" => Verb.Loosen, _ => Verb.TakeOut };
        var actions = step.Actions.Where(Changes).ToArray();
        var right = step.Questions.Length == 0 && actions is [{ Target: "J2", Branch: 0, Some: null, Side: null } only] && only.Verb == told
            && written.Sheet.Things.Count() == 4;
        return right ? null : Told(written, step, sentence);
    }).Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(Twos))]
    public void Each_of_two_is_done_whatever_its_number(int number)
    {
        (string, string)[] marks = [("1", "2"), ("4", "7"), ("A", "B"), ("a", "b"), ("C", "12")];
        string[] verbs = ["remove", "install"];
        marks.SelectMany(m => verbs.Select(v => (v, m))).Select(c =>
        {
            var sentence = Two[number](c.v, c.m.Item1, c.m.Item2);
            var written = Start(c.v == "install").Steps(sentence);
            var step = written.Step(2);
            var said = string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Some}{a.Target}"));
            var told = c.v == "install" ? "Start J2; Fit P1" : "TakeOut J2; Remove P1";
            return said == told && step.Questions.Length == 0 && written.Sheet.Things.Count() == 4 ? null : Told(written, step, sentence);
        }).Where(f => f != null).ShouldBeEmpty();
    }

    private static string Told(Written written, Step step, string sentence) => $"{(step.Questions.Length > 0 ? "asked " : "")}{sentence} → "
        + string.Join("; ", step.Actions.Where(Changes).Select(a =>
            $"{a.Verb} {a.Some} {a.Side} {(a.Target is { } id ? written.Sheet.Find(id)!.Label : "–")} {a.Branch}"));
}
