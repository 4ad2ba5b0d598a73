using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Several things in one breath: two of a kind under one noun ("both covers", "the upper and lower covers", "the upper cover, then the lower"),
/// or one after the other under one verb ("fit the spacer, then the seal"). Each is done once, and nothing else is.
/// </summary>
public class WaysOfGatheringTests
{
    // The order, its second half behind the thing, what is done to it, the note; the two, what both are called; what the walk is told.
    private sealed record Pair(string Do, string Behind, string Done, string Note, string Come, string A, string B, string Noun, string Many,
        Verb Verb, string First, string Second);

    private static readonly Pair[] Pairs =
    [
        new("take", " off", "taken off", "off", "come off", "upper", "lower", "cover", "covers", Verb.Remove, "P1", "P2"),
        new("remove", "", "removed", "off", "come off", "inner", "outer", "shield", "shields", Verb.Remove, "P3", "P4"),
        new("pull", " off", "pulled off", "off", "come off", "inlet", "outlet", "hose", "hoses", Verb.Disconnect, "C1", "C2"),
        new("disconnect", "", "disconnected", "off", "come off", "positive", "negative", "lead", "leads", Verb.Disconnect, "C3", "C4"),
        new("undo", "", "undone", "out", "come out", "long", "short", "bolt", "bolts", Verb.TakeOut, "J1", "J2"),
        new("slacken", "", "slackened", "slack", "", "pressure", "suction", "union", "unions", Verb.Loosen, "J3", "J4"),
    ];

    private static readonly Func<Pair, string>[] Both =
    [
        p => $"{Capital(p.Do)} both {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} the two {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} both of the {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} each {p.Noun}{p.Behind}.",
        p => $"{Capital(p.Do)} each of the {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} all the {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.A} and {p.B} {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.A} and the {p.B} {p.Noun}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun} and the {p.B} {p.Noun}{p.Behind}.",
        p => $"{Capital(p.Do)} both the {p.A} and the {p.B} {p.Noun}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun} as well as the {p.B} {p.Noun}{p.Behind}.",
        p => $"{Capital(p.Do)} {p.A} and {p.B} {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} {p.A} {p.Noun}, {p.B} {p.Noun}{p.Behind}.",
        p => $"{Capital(p.Do)} {p.A}/{p.B} {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.A} & {p.B} {p.Many}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.Many} ({p.A} and {p.B}){p.Behind}.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind}, {p.A} and {p.B}.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind}, {p.A} first.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind}, the {p.A} one first.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind}, first the {p.A}, then the {p.B}.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind}: first the {p.A} one, then the {p.B} one.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind} one at a time.",
        p => $"{Capital(p.Do)} the {p.Many}{p.Behind} one after the other.",
        p => $"{Capital(p.Do)} first the {p.A}, then the {p.B} {p.Noun}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}, then the {p.B}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}, then the {p.B} one.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind} and then the other.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind} and then the other one.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}, and the {p.B} one, too.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}, followed by the {p.B}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}, followed by the {p.B} one.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Then the {p.B}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Now the {p.B} one.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Next the {p.B} {p.Noun}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}, {p.B} next.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. The {p.B} one is next.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Then {p.Do} the {p.B}{p.Behind}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind} and do the same with the {p.B} one.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Do the same with the {p.B} {p.Noun}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Likewise the {p.B} one.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. The same goes for the {p.B} one.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Same with the {p.B}.",
        p => $"{Capital(p.Do)} the {p.A} {p.Noun}{p.Behind}. Repeat with the {p.B} one.",
        p => $"Both {p.Many} are {p.Done}.",
        p => $"The {p.Many} are both {p.Done}.",
        p => $"The {p.A} and {p.B} {p.Many} are {p.Done}.",
        p => $"The {p.Many} can now be {p.Done}, the {p.A} one first.",
        p => $"The {p.A} {p.Noun} is {p.Done}, then the {p.B}.",
        p => $"The {p.A} {p.Noun} is {p.Done} first, the {p.B} one next.",
        p => $"The {p.A} {p.Noun} is {p.Done}, and so is the {p.B} one.",
        p => $"Both {p.Many} {p.Note}.",
        p => $"{Capital(p.Many)} {p.Note}, both.",
        p => $"{Capital(p.Many)} {p.Note}, {p.A} first.",
        p => $"{Capital(p.Many)}: {p.A} {p.Note}, then {p.B}.",
        p => $"{Capital(p.Many)}: {p.A} {p.Note}, {p.B} {p.Note}.",
        p => $"{Capital(p.A)} and {p.B} {p.Many} {p.Note}.",
        p => $"{Capital(p.A)} {p.Noun} {p.Note}, {p.B} {p.Noun} {p.Note}.",
        p => $"{Capital(p.A)} {p.Noun} {p.Note}, then the {p.B}.",
        p => $"{Capital(p.A)} {p.Noun} {p.Note}, {p.B} one {p.Note}.",
        p => p.Come.Length == 0 ? "" : $"The {p.A} and {p.B} {p.Many} {p.Come} next.",
        p => p.Come.Length == 0 ? "" : $"Both {p.Many} {p.Come} now.",
        p => p.Come.Length == 0 ? "" : $"{Capital(p.Note)} with both {p.Many}.",
        p => p.Come.Length == 0 ? "" : $"The {p.A} {p.Noun} {p.Come.Replace("come", "comes", StringComparison.Ordinal)} first, then the {p.B} one.",
    ];

    public static TheoryData<int> BothNumbers => [.. Enumerable.Range(0, Both.Length)];

    [Theory]
    [MemberData(nameof(BothNumbers))]
    public void Two_of_a_kind_are_both_done(int number) =>
        Pairs.Select(p => (Pair: p, Said: Both[number](p))).Where(s => s.Said.Length > 0).Select(s => Amiss(s.Pair, s.Said)).Where(f =>
            f != null).ShouldBeEmpty();

    private static string? Amiss(Pair pair, string sentence)
    {
        var written = Kinds().Steps("Wipe the frame.", sentence);
        var step = written.Step(2);
        var actions = step.Actions.Where(Changes).ToArray();
        var right = step.Questions.Length == 0 && written.Sheet.Things.Count() == Kinds().Sheet.Things.Count()
            && actions.Select(a => $"{a.Verb} {a.Target} {a.Branch}").SequenceEqual([$"{pair.Verb} {pair.First} 0", $"{pair.Verb} {pair.Second} 0"]);
        return right ? null : Told(written, step, sentence);
    }

    private static Written Kinds() => new Written().Part("upper cover").Part("lower cover").Part("inner shield").Part("outer shield").Part("frame")
        .Thing(ThingKind.Connection, "inlet hose").Thing(ThingKind.Connection, "outlet hose")
        .Thing(ThingKind.Connection, "positive lead").Thing(ThingKind.Connection, "negative lead")
        .Joint("long bolt", "25 N·m").Joint("short bolt", "25 N·m").Joint("pressure union", "30 N·m").Joint("suction union", "30 N·m");

    /// <summary>One after the other, under one verb or none that is said again.</summary>
    [Theory]
    [InlineData("Fit the spacer, then the seal, then the bearing.")]
    [InlineData("Fit the spacer first, the seal second and the bearing last.")]
    [InlineData("Fit the spacer first, then the seal and last the bearing.")]
    [InlineData("Fit the spacer. Then the seal. Then the bearing.")]
    [InlineData("Fit the spacer. Next the seal and the bearing.")]
    [InlineData("Fit the spacer, the seal next, the bearing last.")]
    [InlineData("Fit, in this order: spacer, seal, bearing.")]
    [InlineData("Fit in this order: the spacer, the seal and the bearing.")]
    [InlineData("In this order fit the spacer, the seal and the bearing.")]
    [InlineData("First goes the spacer, then the seal, then the bearing.")]
    [InlineData("The spacer goes on first, then the seal, then the bearing.")]
    [InlineData("The spacer goes on first, the seal next and the bearing last.")]
    [InlineData("Spacer on first, seal next, bearing last.")]
    [InlineData("Back on go the spacer, the seal and the bearing.")]
    [InlineData("On goes the spacer, then the seal and last the bearing.")]
    [InlineData("The spacer, seal and bearing go on in that order.")]
    [InlineData("Slide on the spacer, followed by the seal and the bearing.")]
    [InlineData("Slide the spacer on, and after it the seal and the bearing.")]
    [InlineData("Slide the spacer on, then the seal on top of it, then the bearing.")]
    [InlineData("Fit the spacer, and on top of it the seal and the bearing.")]
    [InlineData("Fit the spacer and, behind it, the seal and the bearing.")]
    [InlineData("Fit the following: spacer, seal, bearing.")]
    [InlineData("Fit the following parts: the spacer, the seal and the bearing.")]
    [InlineData("Fit: spacer, seal, bearing.")]
    [InlineData("Fit the spacer; the seal; the bearing.")]
    [InlineData("Fit the spacer & seal, then the bearing.")]
    [InlineData("Fit the spacer + seal + bearing.")]
    [InlineData("Fit the spacer, the seal, and finally the bearing.")]
    [InlineData("Fit spacer, seal and bearing.")]
    [InlineData("Fit not only the spacer but also the seal and the bearing.")]
    [InlineData("Fit the spacer plus the seal and the bearing.")]
    [InlineData("Spacer on. Seal on. Bearing on.")]
    [InlineData("Spacer, seal, bearing: on in this order.")]
    [InlineData("Spacer, seal and bearing on.")]
    [InlineData("Spacer on, seal on, bearing on.")]
    [InlineData("Spacer on, then seal, then bearing.")]
    [InlineData("Refit in this order: spacer, seal, bearing.")]
    [InlineData("Fit the spacer, then, with its lip outwards, the seal, then the bearing.")]
    [InlineData("Fit the spacer with the chamfer inwards, the seal with the lip outwards, and the bearing.")]
    [InlineData("Fit the spacer (chamfer inwards), the seal (lip outwards) and the bearing.")]
    [InlineData("Fit the spacer, chamfer inwards; the seal, lip outwards; and the bearing.")]
    [InlineData("Fit the spacer, chamfer inwards, the seal, lip outwards, and the bearing.")]
    [InlineData("The spacer is fitted, then the seal, then the bearing.")]
    [InlineData("The spacer is fitted first, followed by the seal and the bearing.")]
    [InlineData("The spacer, the seal and the bearing are fitted.")]
    [InlineData("The spacer, the seal and the bearing are each fitted dry.")]
    [InlineData("To close up, fit the spacer, then the seal and bearing.")]
    [InlineData("Reassemble: spacer, seal, bearing.")]
    [InlineData("Reassembly order: spacer, seal, bearing.")]
    [InlineData("Stack the spacer, the seal and the bearing on the shaft.")]
    [InlineData("Slip the spacer, the seal and then the bearing over the shaft.")]
    [InlineData("Onto the shaft go the spacer, the seal and the bearing.")]
    [InlineData("Onto the shaft: spacer, seal, bearing.")]
    public void One_after_the_other(string sentence) => InARow(sentence, Verb.Fit, "P2", "P3", "P4");

    [Theory]
    [InlineData("Remove the bearing, the seal and the spacer, in that order.")]
    [InlineData("Out come the bearing, the seal and the spacer.")]
    [InlineData("Off come the bearing, the seal and the spacer.")]
    [InlineData("Remove bearing, seal & spacer.")]
    [InlineData("Remove the bearing together with the seal and the spacer.")]
    [InlineData("Remove the bearing along with the seal and the spacer.")]
    [InlineData("The bearing comes out first, then the seal, then the spacer.")]
    [InlineData("Remove the bearing. The seal and the spacer come out with it.")]
    [InlineData("Remove the bearing, and with it the seal and the spacer.")]
    [InlineData("Remove the bearing complete with the seal and the spacer.")]
    [InlineData("Remove the bearing. Remove the seal. Remove the spacer.")]
    [InlineData("Remove the bearing, remove the seal, remove the spacer.")]
    [InlineData("Remove the bearing, after that the seal, and then the spacer.")]
    [InlineData("Remove the bearing. After that, the seal and the spacer.")]
    [InlineData("Remove the bearing, followed by the seal, followed by the spacer.")]
    [InlineData("Slide the bearing, seal and spacer off the shaft.")]
    [InlineData("Slide off, one after the other, the bearing, the seal and the spacer.")]
    [InlineData("With a puller, draw off the bearing, then slide off the seal and the spacer by hand.")]
    [InlineData("The bearing, the seal and the spacer can now be slid off.")]
    [InlineData("Bearing, seal and spacer off.")]
    [InlineData("Bearing off, seal off, spacer off.")]
    [InlineData("Bearing off, then the seal, then the spacer.")]
    [InlineData("Bearing off first, seal next, spacer last.")]
    [InlineData("First the bearing comes off, then the seal, then the spacer.")]
    [InlineData("Take off, in order, the bearing, seal and spacer.")]
    [InlineData("Take off everything on the shaft: bearing, seal, spacer.")]
    [InlineData("Take the bearing, the seal and the spacer off and lay them out in order.")]
    [InlineData("Remove the bearing, the seal behind it and the spacer.")]
    [InlineData("Remove the bearing with the seal behind it, and the spacer.")]
    [InlineData("Remove the bearing, then the seal (note which way its lip faces), then the spacer.")]
    [InlineData("Remove the bearing, noting which way it faces, then the seal and the spacer.")]
    public void One_after_the_other_off(string sentence) => InARow(sentence, Verb.Remove, "P4", "P3", "P2");

    /// <summary>What is only told of as being on already is not done again; what sits beside it is no part of the row.</summary>
    [Theory]
    [InlineData("With the spacer on, fit the seal and the bearing.")]
    [InlineData("Once the spacer is on, fit the seal and the bearing.")]
    [InlineData("Now that the spacer is on, fit the seal and the bearing.")]
    [InlineData("Fit the seal and the bearing behind the spacer.")]
    [InlineData("Against the spacer fit the seal, then the bearing.")]
    [InlineData("The spacer is already on; fit the seal and the bearing.")]
    [InlineData("The seal goes on next, then the bearing.")]
    [InlineData("Fit the seal next to the spacer, then the bearing.")]
    public void What_is_on_already(string sentence) => InARow(sentence, Verb.Fit, "P3", "P4");

    /// <summary>What is named beside it, left as it is, only looked at, or done later, is not gathered in.</summary>
    [Theory]
    [InlineData("Take the upper cover off. The lower one stays on.", "Remove upper cover")]
    [InlineData("Take the upper cover off and leave the lower one.", "Remove upper cover")]
    [InlineData("Take the upper cover off, not the lower one.", "Remove upper cover")]
    [InlineData("Take the upper cover off, but not the lower.", "Remove upper cover")]
    [InlineData("Take the upper cover off. The lower one is removed in step 12.", "Remove upper cover")]
    [InlineData("Take the upper cover off; the lower one is worn.", "Remove upper cover")]
    [InlineData("Take the upper cover off and look at the lower one.", "Remove upper cover")]
    [InlineData("Take the upper cover off, then check the lower one.", "Remove upper cover")]
    [InlineData("Take the upper cover off. Then check the lower one and the frame.", "Remove upper cover")]
    [InlineData("Take the upper cover off. The lower one is next to it.", "Remove upper cover")]
    [InlineData("Take the upper cover off. Now the lower one can be seen.", "Remove upper cover")]
    [InlineData("Take the upper cover off. Now the lower one is free.", "Remove upper cover")]
    [InlineData("Take the upper cover off, then lower the tractor.", "Remove upper cover; Lower")]
    [InlineData("The upper cover is taken off. The frame is then cleaned.", "Remove upper cover")]
    [InlineData("The upper cover is taken off, then the frame is cleaned.", "Remove upper cover")]
    [InlineData("The upper cover is taken off first; the lower one is left on.", "Remove upper cover")]
    [InlineData("The upper cover comes off, the lower one does not.", "Remove upper cover")]
    [InlineData("The upper cover comes off, the lower one stays.", "Remove upper cover")]
    [InlineData("Upper cover off, lower one stays on.", "Remove upper cover")]
    [InlineData("Undo the long bolt and only slacken the short one.", "TakeOut long bolt; Loosen short bolt")]
    [InlineData("Undo the long bolt and fit a new short one.", "TakeOut long bolt; Start short bolt")]
    [InlineData("Undo the long bolt, then tighten the short one.", "TakeOut long bolt; Torque short bolt")]
    [InlineData("Undo the long bolt first. Then pull the inlet hose off and hold the outlet hose.", "TakeOut long bolt; Disconnect inlet hose")]
    [InlineData("Undo the bolts of the inner shield.", "TakeOut inner shield bolts")]
    [InlineData("Undo the inner shield bolts.", "TakeOut inner shield bolts")]
    [InlineData("Remove the inner shield, then seal the frame.", "Remove inner shield")]
    [InlineData("If the upper cover is bent, take it off, then the lower.", "Remove upper cover 1; Remove lower cover 1")]
    [InlineData("Slacken the pressure union. Never the suction one.", "Loosen pressure union")]
    [InlineData("Slacken the pressure union, never the suction union.", "Loosen pressure union")]
    [InlineData("Slacken the pressure union; the suction union must not be touched.", "Loosen pressure union")]
    [InlineData("Slacken the pressure union half a turn, then the suction one a full turn.", "Loosen pressure union; Loosen suction union")]
    [InlineData("If the upper cover is bent, take it off. Likewise the lower one.", "asked Remove upper cover 1")]
    [InlineData("Do not take the upper cover off. Likewise the lower one.", "")]
    [InlineData("The upper cover is not taken off, and neither is the lower one.", "")]
    [InlineData("Leave the upper cover on. The same goes for the lower one.", "")]
    [InlineData("Slacken one union, then the other.", "asked")]
    public void What_is_not_gathered_in(string sentence, string expected)
    {
        var written = Kinds().Steps("Wipe the frame.", sentence);
        var step = written.Step(2);
        var said = step.Actions.Where(Changes).Select(a =>
            $"{a.Verb} {written.Sheet.Find(a.Target ?? "")?.Name}{(a.Branch > 0 ? " " + a.Branch : "")}".Trim());
        (((step.Questions.Length > 0 ? "asked " : "") + string.Join("; ", said)).Trim()).ShouldBe(expected);
    }

    private static void InARow(string sentence, Verb verb, params string[] targets)
    {
        var written = Row().Steps("Wipe the frame.", sentence);
        var step = written.Step(2);
        var right = step.Questions.Length == 0 && written.Sheet.Parts.Length == Row().Sheet.Parts.Length && written.Sheet.Joints.Length == 0
            && InOrder(step.Actions.Where(Changes).Where(a => a.Verb != Verb.SetAside && a.Target != "T1")
                .Select(a => $"{(a.Verb == Verb.Carry ? verb : a.Verb)} {a.Target} {a.Branch}")).SequenceEqual(InOrder(targets.Select(t =>
                    $"{verb} {t} 0")));
        // What comes along comes with it, whichever is told first.
        IEnumerable<string> InOrder(IEnumerable<string> said) => step.Actions.Any(a => a.Verb == Verb.Carry)
            ? said.Order(StringComparer.Ordinal) : said;
        right.ShouldBeTrue(Told(written, step, sentence));
    }

    private static Written Row() => new Written().Part("frame").Part("spacer").Part("seal").Part("bearing").Part("shaft");

    private static string Told(Written written, Step step, string sentence)
    {
        string Named(StepAction action) => $"{action.Verb} {written.Sheet.Find(action.Target ?? "")?.Name} {action.Branch}";
        return $"{(step.Questions.Length > 0 ? "asked " : "")}{sentence} → {string.Join("; ", step.Actions.Select(Named))}";
    }
}
