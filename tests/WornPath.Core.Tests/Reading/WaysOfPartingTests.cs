using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// One part of a set is done this way and the other part that way: each fastener is told of once, however the two parts are named (by number,
/// by place, by *the rest*), in one sentence or two, as orders, notes or passives.
/// </summary>
public class WaysOfPartingTests
{
    // The order, what is behind the thing, the passive, the note, and what the walk is told.
    private static readonly (string Do, string Behind, string Done, string Note, Verb Verb)[] Works =
    [
        ("take", " out", "taken out", "out", Verb.TakeOut),
        ("remove", "", "removed", "removed", Verb.TakeOut),
        ("loosen", "", "loosened", "loosened", Verb.Loosen),
        ("slacken", "", "slackened", "slackened only", Verb.Loosen),
        ("start", " by hand", "started by hand", "started by hand", Verb.Start),
        ("snug", "", "snugged", "snug", Verb.Snug),
    ];

    // Two of the six with the first work, the other four with the second.
    private static readonly Func<string, string, string, string, string>[] Orders =
    [
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b} and {w} the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b} and {w} the others{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b}, then {w} the rest{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b}; {w} the remaining four{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b}. {Capital(w)} the rest{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b}. {Capital(w)} the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} two tray bolts{b} and {w} four{c}.",
        (v, b, w, c) => $"{Capital(v)} two tray bolts{b}, {w} the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} two tray bolts{b} and only {w} the rest{c}.",
        (v, b, w, c) => $"{Capital(v)} the front two tray bolts{b} and {w} the rear four{c}.",
        (v, b, w, c) => $"{Capital(v)} the two front tray bolts{b} and {w} the four rear ones{c}.",
        (v, b, w, c) => $"{Capital(v)} the front two tray bolts{b}, then {w} the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} the two upper tray bolts{b}; {w} the lower four{c}.",
        (v, b, w, c) => $"{Capital(v)} the outer two of the tray bolts{b} and {w} the inner four{c}.",
        (v, b, w, c) => $"{Capital(v)} two opposite tray bolts{b}, then {w} the other four{c}.",
        (v, b, w, c) => $"Of the six tray bolts, {v} two{b} and {w} the other four{c}.",
        (v, b, w, c) => $"Of the six tray bolts, {v} two{b} and {w} the remainder{c}.",
        (v, b, w, c) => $"Of the tray bolts, {v} the front two{b} and {w} the rear four{c}.",
        (v, b, w, c) => $"{Capital(v)} a pair of the tray bolts{b}, and {w} the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} the first two tray bolts{b} and {w} the last four{c}.",
        (v, b, w, c) => $"There are six tray bolts: {v} two{b} and {w} four{c}.",
        (v, b, w, c) => $"There are six tray bolts. {Capital(v)} two of them{b} and {w} the other four{c}.",
        (v, b, w, c) => $"Tray bolts: {v} two{b} and {w} four{c}.",
        (v, b, w, c) => $"Tray bolts: {v} the front two{b}, {w} the rear four{c}.",
        (v, b, w, c) => $"Only {v} two of the tray bolts{b}; {w} the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b}, but {w} the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b}, while a helper {w}s the other four{c}.",
        (v, b, w, c) => $"{Capital(v)} two of the tray bolts{b}. Now {w} the remaining ones{c}.",
        (v, b, w, c) => $"After you {v} two of the tray bolts{b}, {w} the other four{c}.",
    ];

    // As passives and as notes: the second part has no verb of its own or none that orders.
    private static readonly Func<string, string, string, string, string>[] Told =
    [
        (d, n, e, m) => $"Two of the tray bolts are {d}, the other four are {e}.",
        (d, n, e, m) => $"Two of the tray bolts are {d} and the others {e}.",
        (d, n, e, m) => $"Two of the tray bolts are {d}; the rest are {e}.",
        (d, n, e, m) => $"Two tray bolts are {d}, four are {e}.",
        (d, n, e, m) => $"The front two tray bolts are {d}, the rear four {e}.",
        (d, n, e, m) => $"The tray bolts: two are {d}, four are {e}.",
        (d, n, e, m) => $"Tray bolts: two {n}, four {m}.",
        (d, n, e, m) => $"Tray bolts: two {n}, the other four {m}.",
        (d, n, e, m) => $"Tray bolts: two {n}, the rest {m}.",
        (d, n, e, m) => $"Tray bolts: front two {n}, rear four {m}.",
        (d, n, e, m) => $"Tray bolts, two {n}, four {m}.",
        (d, n, e, m) => $"Two tray bolts {n}, the other four {m}.",
        (d, n, e, m) => $"Two tray bolts {n}, the rest {m}.",
        (d, n, e, m) => $"Front two tray bolts {n}, rear four {m}.",
        (d, n, e, m) => $"Of the six tray bolts, two are {d} and four are {e}.",
        (d, n, e, m) => $"Of the tray bolts two are {d}, the others are only {e}.",
    ];

    // The whole, named by what its parts are called; each twice: two halves of a set of four.
    private static readonly string[] Halves =
    [
        "Snug two of the deck bolts, then the other two.",
        "Snug two opposite deck bolts, then the other two.",
        "Snug two opposite corners, then the other two.",
        "Snug one diagonal pair of the deck bolts, then the other.",
        "Snug one diagonal pair of deck bolts, then the other pair.",
        "Snug one pair of deck bolts, then the other pair.",
        "Snug the front pair of deck bolts, then the rear pair.",
        "Snug the front pair, then the rear pair.",
        "Snug the front two deck bolts and then the rear two.",
        "Snug the front two, then the rear two.",
        "Snug two deck bolts at opposite corners, then the remaining two.",
        "Snug the left pair of deck bolts, then the right pair.",
        "Snug the deck bolts, the front pair first.",
        "Snug the deck bolts in pairs: the front two, then the rear two.",
        "Snug the deck bolts corner by corner.",
        "Snug all four corners.",
        "Snug each corner.",
        "Snug all four.",
        "Snug the lot.",
        "Snug each in turn.",
    ];

    public static TheoryData<int> OrderNumbers => [.. Enumerable.Range(0, Orders.Length)];

    public static TheoryData<int> ToldNumbers => [.. Enumerable.Range(0, Told.Length)];

    public static TheoryData<int> HalfNumbers => [.. Enumerable.Range(0, Halves.Length)];

    // Two works that make sense one beside the other.
    private static readonly (int First, int Second)[] Pairs = [(0, 2), (1, 3), (2, 1), (3, 0), (4, 5), (5, 4)];

    [Theory]
    [MemberData(nameof(OrderNumbers))]
    public void One_part_is_done_this_way_and_the_other_that_way(int number) =>
        Pairs.Select(p => Amiss(p, Orders[number](Works[p.First].Do, Works[p.First].Behind, Works[p.Second].Do, Works[p.Second].Behind)))
            .Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(ToldNumbers))]
    public void So_is_what_is_told_or_noted(int number) =>
        Pairs.Select(p => Amiss(p, Told[number](Works[p.First].Done, Works[p.First].Note, Works[p.Second].Done, Works[p.Second].Note)))
            .Where(f => f != null).ShouldBeEmpty();

    [Theory]
    [MemberData(nameof(HalfNumbers))]
    public void Both_halves_are_done(int number)
    {
        var step = new Written().Joint("hub nuts", "80 N·m").Joint("deck bolts", "25 N·m").Set("deck bolts", "count", "4").Part("deck")
            .Steps("Take the deck bolts out and lift the deck off.", "Put the deck back and start the deck bolts by hand.", Halves[number]).Step(3);
        var actions = step.Actions.Where(Changes).ToArray();
        var said = string.Join("; ", actions.Select(a => $"{a.Verb} {a.Some} {a.Target}"));
        (step.Questions.Length == 0 && actions.Length > 0 && actions.All(a => a.Verb == Verb.Snug && a.Target == "J2" && a.Branch == 0)
            && Counted(actions, 4) == 4)
            .ShouldBeTrue($"{(step.Questions.Length > 0 ? "asked " : "")}{Halves[number]} → {said}");
    }

    /// <summary>What only seems to part a set is not parted, and what cannot be is asked.</summary>
    [Theory]
    [InlineData("Take two of the tray bolts out. Wipe the other four.", "TakeOut 2 J2")]
    [InlineData("Take two of the tray bolts out and leave the other four alone.", "TakeOut 2 J2")]
    [InlineData("Take two of the tray bolts out, not the other four.", "TakeOut 2 J2")]
    [InlineData("Take two of the tray bolts out; the other four stay in.", "TakeOut 2 J2")]
    [InlineData("Take two of the tray bolts out. The rest is not touched.", "TakeOut 2 J2")]
    [InlineData("Take the hub nuts off and loosen the tray bolts.", "TakeOut J1; Loosen J2")]
    [InlineData("Take the front two out.", "asked")]
    [InlineData("Loosen the rear pair.", "asked")]
    [InlineData("Snug the corners.", "asked")]
    public void What_only_seems_so(string sentence, string expected)
    {
        var step = Sheet().Steps("Wipe the frame.", sentence).Step(2);
        var asked = step.Questions.Length > 0 ? "asked " : "";
        (asked + string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Some} {a.Target}".Replace("  ", " ")))).Trim().ShouldBe(expected);
    }

    private static Written Sheet() => new Written().Joint("hub nuts", "80 N·m").Set("hub nuts", "count", "5")
        .Joint("tray bolts", "25 N·m", fastener: "M8x25 8.8").Set("tray bolts", "count", "6").Part("tray cover").Part("frame");

    // What is amiss; null where two are done with the first work and four with the second.
    private static string? Amiss((int First, int Second) pair, string sentence)
    {
        var (one, two) = (Works[pair.First].Verb, Works[pair.Second].Verb);
        var before = one is Verb.Start or Verb.Snug ? "Take the tray bolts out." : "Wipe the frame.";
        var written = Sheet().Steps("Wipe the frame.", before, sentence);
        var step = written.Step(3);
        var actions = step.Actions.Where(Changes).ToArray();
        var right = step.Questions.Length == 0 && actions.All(a => a.Target == "J2" && a.Branch == 0 && a.Verb == (a.Verb == one ? one : two))
            && Counted([.. actions.Where(a => a.Verb == one)], 6) == 2 && Counted([.. actions.Where(a => a.Verb == two)], 4) == 4
            && written.Sheet.Joints.Length == 2;
        return right ? null
            : (step.Questions.Length > 0 ? "asked " : "") + sentence + " → " + string.Join("; ",
                actions.Select(a => $"{a.Verb} {a.Some} {a.Target} {a.Branch}"));
    }

    // How many an array of actions is about, where what names no number is about those that are left.
    private static int Counted(IReadOnlyList<StepAction> actions, int whole)
    {
        var done = 0;
        foreach (var action in actions) done += action.Some ?? whole - done;
        return done;
    }
}
