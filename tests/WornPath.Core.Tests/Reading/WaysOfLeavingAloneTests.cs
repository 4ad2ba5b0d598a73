using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// What a sentence names only to say that it is left alone is left alone: "remove the guard, not the cover". And what is done instead of it is
/// done. Each way with several verbs and pairs, the second of which must not be touched.
/// </summary>
public class WaysOfLeavingAloneTests
{
    // The verb, what is behind its object, and what it is told to do to a joint or part.
    private static readonly (string Verb, string Behind)[] Verbs = [("remove", ""), ("take", " off"), ("undo", ""), ("loosen", ""), ("tighten", "")];

    // What is done to, and what is not.
    private static readonly (string Done, string Left)[] Pairs =
        [("guard", "cover"), ("tray bolts", "hub nuts"), ("front tray", "rear tray"), ("guard", "hub nuts"), ("tray bolts", "cover")];

    private static readonly Func<string, string, string, string, string>[] Ways =
    [
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, not the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} and not the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, but not the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} but not the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o} (not the {x}){b}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} (not the {x}).",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} – not the {x}.",
        (v, b, o, x) => $"{Capital(v)} only the {o}{b}, not the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, never the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} only, never the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} instead of the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} rather than the {x}.",
        (v, b, o, x) => $"Rather than the {x}, {v} the {o}{b}.",
        (v, b, o, x) => $"Instead of the {x}, {v} the {o}{b}.",
        (v, b, o, x) => $"Not the {x}: {v} the {o}{b}.",
        (v, b, o, x) => $"Not the {x} but the {o} {(o.EndsWith('s') ? "are" : "is")} {Done(v)}{b}.",
        (v, b, o, x) => $"The {o} {(o.EndsWith('s') ? "are" : "is")} {Done(v)}{b}, not the {x}.",
        (v, b, o, x) => $"The {o} {(o.EndsWith('s') ? "are" : "is")} {Done(v)}{b}, the {x} {(x.EndsWith('s') ? "are" : "is")} not.",
        (v, b, o, x) => $"The {o}, not the {x}, {(o.EndsWith('s') ? "are" : "is")} {Done(v)}{b}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}; the {x} {(x.EndsWith('s') ? "stay" : "stays")} where {(x.EndsWith('s') ? "they are" : "it is")}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}; the {x} {(x.EndsWith('s') ? "stay" : "stays")} on.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}; the {x} {(x.EndsWith('s') ? "remain" : "remains")} in place.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}; the {x} can stay.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}. The {x} can stay on.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}. The {x} need not be touched.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} and leave the {x} alone.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} and leave the {x} where {(x.EndsWith('s') ? "they are" : "it is")}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} but leave the {x} on.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, leaving the {x} in place.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, leaving the {x} as {(x.EndsWith('s') ? "they are" : "it is")}.",
        (v, b, o, x) => $"Leaving the {x} in place, {v} the {o}{b}.",
        (v, b, o, x) => $"Leave the {x} alone and {v} the {o}{b}.",
        (v, b, o, x) => $"Leave the {x} on; {v} only the {o}{b}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} without touching the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} without disturbing the {x}.",
        (v, b, o, x) => $"Without disturbing the {x}, {v} the {o}{b}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} past the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, keeping clear of the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, taking care not to damage the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}. Do not mistake the {x} for {(o.EndsWith('s') ? "them" : "it")}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, as opposed to the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} (leave the {x}).",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}. Leave the {x} for now.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b} first, not yet the {x}.",
        (v, b, o, x) => $"{Capital(v)} the {o}{b}, but not yet the {x}.",
        (v, b, o, x) => $"{Capital(v)} neither the {x} nor the cable; {v} the {o}{b}.",
    ];

    public static TheoryData<int> Numbers => [.. Enumerable.Range(0, Ways.Length)];

    [Theory]
    [MemberData(nameof(Numbers))]
    public void What_is_left_alone_is_not_touched(int number) =>
        Pairs.SelectMany(p => Verbs.Where(v => v.Verb is "remove" or "loosen" or "take" || p.Done.Contains("bolts")).Select(v => (p, v))).Select(c =>
        {
            var ((done, left), (verb, behind)) = c;
            // Nobody loosens a guard, and nobody takes a tray off that is two.
            if (verb == "loosen" && !done.Contains("bolts")) return null;
            var sentence = Ways[number](verb, behind, done, left);
            var plain = Said(Sheet().Steps("Wipe the frame.", $"{Capital(verb)} the {done}{behind}.").Step(2));
            var written = Sheet().Steps("Wipe the frame.", sentence);
            var said = Said(written.Step(2));
            return said == plain && plain.Length > 0 && written.Sheet.Things.Count() == Sheet().Sheet.Things.Count() ? null : $"{sentence} → {said} | {plain}";
        }).Where(f => f != null).ShouldBeEmpty();

    /// <summary>What sounds like it, and is done.</summary>
    [Theory]
    [InlineData("Remove not only the guard but also the cover.", "Remove P1; Remove P2")]
    [InlineData("Remove the guard and the cover, not just one of them.", "Remove P1; Remove P2")]
    [InlineData("Do not remove the guard; remove the cover.", "Remove P2")]
    [InlineData("Remove the guard, not forgetting the cover.", "Remove P1; Remove P2")]
    [InlineData("Loosen the tray bolts, do not remove them.", "Loosen J1")]
    [InlineData("Loosen the tray bolts but do not take them out.", "Loosen J1")]
    [InlineData("Instead of the old guard, fit the new one.", "Fit P1")]
    [InlineData("Rather than the rear tray, remove the front one.", "Remove P3")]
    [InlineData("Remove the front tray, not the rear one.", "Remove P3")]
    [InlineData("Remove the guard. Not the cover!", "Remove P1")]
    [InlineData("Loosen the tray bolts. It is not the hub nuts that hold the guard.", "Loosen J1")]
    [InlineData("If it is not the guard that rattles, remove the cover.", "Remove P2 [if it is not the guard that rattles]")]
    [InlineData("Hold the frame, not by its guard, and remove the cover.", "Remove P2")]
    [InlineData("Remove the cover, not the guard, and then take the rear tray off.", "Remove P2; Remove P4")]
    [InlineData("Remove the guard, not the cover and then wipe it.", "Remove P1")]
    [InlineData("Pull on the plug and not on the cable, then remove the guard.", "Remove P1")]
    [InlineData("Tighten the tray bolts and the hub nuts, not too tight.", "Torque J1; Torque J2")]
    public void What_only_sounds_so(string sentence, string expected) => Said(Sheet().Steps("Wipe the frame.", sentence).Step(2)).ShouldBe(expected);

    private static Written Sheet() => new Written().Joint("tray bolts", "25 N·m").Joint("hub nuts", "80 N·m").Part("guard").Part("cover")
        .Part("front tray").Part("rear tray").Part("frame").Thing(ThingKind.Connection, "cable");

    private static string Said(Step step) => (step.Questions.Length > 0 ? "asked " : "")
        + string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target}{(a.Branch > 0 ? $" [if {step.Branches[a.Branch - 1].Sign}]" : "")}"));

    private static string Done(string verb) => Ed(verb);
}
