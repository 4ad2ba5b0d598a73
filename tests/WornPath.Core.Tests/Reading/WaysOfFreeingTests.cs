namespace WornPath.Core.Tests.Reading;

/// <summary>
/// "Undo the bolts and slide it back": "it" is one and the bolts are out, so it is what they held, whatever is done to it, also where
/// nothing on the sheet was called so yet. Of one nut, which may be meant itself, only where it is brought some way.
/// </summary>
public class WaysOfFreeingTests
{
    private static readonly string[] Off =
    [
        "slide it back", "ease it back until it is clear", "bring it down", "tip it towards you and bring it out", "let it down", "swing it clear",
        "move it out of the way", "guide it down past the frame", "bring it out backwards", "feed it out through the gap", "manoeuvre it out",
        "lift it clear", "let it come away", "put it on the bench", "lay it on the bench", "set it aside", "tilt it up and draw it off",
        "carry it away", "wriggle it down and out", "hoist it out", "rock it free", "back it off the studs", "withdraw it towards you", "prise it away",
        "knock it off with a mallet", "separate it from the block", "let it drop into your hand", "lower it onto a jack",
        "slide it sideways until it clears", "stow it safely", "remove it rearwards", "steady it and bring it away", "pull it towards you",
        "take it to the bench",
    ];

    private static readonly string[] OfOneNut =
    [
        "slide it back", "ease it back until it is clear", "bring it down", "guide it down past the frame", "lift it clear", "let it down",
    ];

    private static string Read(Written written, params string[] steps) =>
        Telling.Said(written.Steps(steps), steps.Length, Verb.BreakLoose);

    public static TheoryData<string> Ways => [.. Off];

    [Theory]
    [MemberData(nameof(Ways))]
    public void What_the_bolts_held_comes_off(string way)
    {
        Written Known() => new Written().Part("frame").Part("pump").Joint("pump bolts", holds: "pump").Set("pump bolts", "count", "2");
        const string both = "TakeOut pump bolts; Remove pump";
        Read(Known(), $"Undo the bolts and {way}.").ShouldBe(both);
        Read(Known(), "Undo the bolts.", $"{Telling.Capital(way)}.").ShouldBe("Remove pump");
        Read(new Written().Part("frame"), $"Undo the two pump bolts and {way}.").ShouldBe(both);
    }

    [Fact]
    public void Of_one_nut_what_it_held_is_brought_away_and_the_nut_is_put_aside()
    {
        Written Known() => new Written().Part("pump").Joint("pump nut", holds: "pump");
        foreach (var way in OfOneNut) Read(Known(), $"Undo the nut and {way}.").ShouldBe("TakeOut pump nut; Remove pump", way);
        foreach (var way in (string[])["set it aside", "put it on the bench", "keep it", "clean it"])
            Read(Known(), $"Undo the nut and {way}.").ShouldBe("TakeOut pump nut", way);
    }

    [Theory]
    [InlineData("Undo the bolts and put them back by hand.", "TakeOut pump bolts; Start pump bolts")]
    [InlineData("Undo the bolts and throw it away.", "TakeOut pump bolts; Discard pump")]
    [InlineData("Undo the bolts and throw them away.", "TakeOut pump bolts; Discard pump bolts")]
    [InlineData("Undo the bolts and hang it on a hook.", "TakeOut pump bolts; HangAside pump")]
    [InlineData("Undo one of the bolts and swing it up.", "TakeOut pump bolts")]
    [InlineData("Loosen one bolt half a turn and pull it up to 28 N·m again.", "Loosen pump bolts; Torque pump bolts")]
    [InlineData("Slacken the bolts and slide it back.", "Loosen pump bolts")]
    public void What_is_done_to_the_bolts_is_done_to_them(string sentence, string said) =>
        Read(new Written().Part("pump").Joint("pump bolts", holds: "pump").Set("pump bolts", "count", "2"), sentence).ShouldBe(said);
}
