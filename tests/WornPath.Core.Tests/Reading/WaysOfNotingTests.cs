using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// Notes of the shop: no verb, no article, as short as can be. What the words name and which way it goes is all there is, and it is enough. Each
/// is tried with the full name, and with the bare one behind a step that names the part.
/// </summary>
public class WaysOfNotingTests
{
    // {0}: the bolts of the cover; {1} and {2}: the cover, with and without a capital.
    private static readonly string[] Out =
    [
        "{0} out.",
        "{0} right out.",
        "{0} all the way out.",
        "Out with the {0}.",
        "Four {0}, out.",
        "Four {0} out.",
        "{0} - out.",
        "{0} – out.",
        "{0}: out.",
        "{0}: remove.",
        "{0} (4): remove.",
        "4 x {0} out.",
        "4x {0} out",
        "4× {0}, out.",
        "{0} ×4 out.",
        "All 4 {0} out.",
        "All four {0} out, 13 mm.",
        "{0} out (13 mm).",
        "{0} out (13 mm socket).",
        "{0} out, 13 mm socket.",
        "13 mm socket, {0} out.",
        "13 mm: {0} out.",
        "{0} out with a 13.",
        "{0} out w/ 13 mm.",
        "Next: {0} out.",
        "Next the {0}: out.",
        "Then {0} out.",
        "{0} come out.",
        "{0} come out now.",
        "{0} to come out.",
        "{0} must come out.",
        "{0} out first.",
        "{0} out next.",
        "First {0} out.",
        "{0} out, keep them.",
        "{0} out and into a tin.",
        "{0} out & bagged.",
        "{0} out, bag them.",
        "{0} out, bin them.",
        "Get the {0} out.",
        "Have the {0} out.",
        "Rattle the {0} out.",
        "Pop the {0} out.",
        "Crack {0}, then out.",
        "Crack {0} and out.",
        "{0} cracked, then out.",
        "{0} loose, then out.",
        "{0} undone.",
        "{0} removed.",
        "{0} out one by one.",
        "{0} out – stiff ones get penetrating oil.",
        "{0} out. 13 mm.",
        "{0} out; mind the paint.",
        "{0} want to come out.",
        "{0} off.",
        "{0} off & out of the way.",
        "{0} → out.",
    ];

    // The cover, its bolts out before.
    private static readonly string[] Off =
    [
        "{1} off.",
        "{1} away.",
        "Off with the {2}.",
        "Off comes the {2}.",
        "{1} comes off.",
        "{1} comes away.",
        "{1} lifts off.",
        "{1} then lifts off.",
        "Then the {2} off.",
        "{1} off and out of the way.",
        "{1} off, to the bench.",
        "{1} off, set aside.",
        "{1}: off.",
        "{1} - lift off.",
        "{1} straight off.",
        "{1} straight up and off.",
        "{1} off, mind the gasket.",
        "{1} off (heavy).",
        "{1} off with a pry bar.",
        "Pry bar, {2} off.",
        "{1} up and away.",
        "{1} out.",
        "{1} out from below.",
        "{1} down and out.",
        "{1} out of the way.",
        "{1} removed.",
        "Next: {2} off.",
        "Wiggle {2} off.",
        "{1} pulls off.",
        "{1} can come off now.",
        "{1} now free, lift away.",
        "{1}'s off.",
    ];

    // Both in one note.
    private static readonly string[] Both =
    [
        "{0} out, {2} off.",
        "{0} out and {2} off.",
        "{0} out, then the {2} off.",
        "{0} out, off with the {2}.",
        "{0} out & {2} away.",
        "{0} out - {2} off.",
        "{0} out; {2} off.",
        "{0} out. {1} off.",
        "{0} out + {2} off.",
        "{0} out, lift {2} off.",
        "{0} out, {2} lifts off.",
        "{0} out, {2} comes away.",
        "{0} out, then lift it off.",
        "Four bolts out and the {2} comes off.",
        "Four bolts out and the {2} is off.",
        "Four bolts out, {2} lifts away.",
        "{1}: four bolts out, lift off.",
        "{1}: 4 bolts out, then off.",
        "{1}: bolts out, lift away.",
        "{1}: undo 4 bolts, lift off.",
        "{1} next: bolts out, lift it off.",
        "{0} and {2} off.",
        "{0} out, {2} off, gasket stays.",
        "4 bolts, {2} off.",
        "Four bolts, {2} off.",
        "Four bolts, then the {2} lifts off.",
        "Four bolts and the {2} comes off.",
        "Four bolts and the {2}'s off.",
        "{1} off (4 bolts).",
        "{1} off, 4 bolts.",
        "{1} off, four bolts.",
        "{1} off: four bolts.",
        "{1} off – 4 × M8.",
        "{1} off (four M8 bolts).",
        "{1}: 4 bolts, lift off.",
        "{1}: four bolts, off.",
    ];

    // The cover is on again, the bolts still out.
    private static readonly string[] Started =
    [
        "{0} in by hand.",
        "{0} in, finger-tight.",
        "{0} in finger tight.",
        "{0} in, hand-tight.",
        "{0} in loose.",
        "{0} in, loose for now.",
        "{0} in loosely.",
        "{0} in, don't tighten yet.",
        "{0} in, not tight yet.",
        "{0} finger-tight.",
        "{0} finger tight.",
        "{0}, finger tight.",
        "{0}: finger tight.",
        "{0} just started.",
        "{0} started.",
        "{0} started by hand.",
        "{0} in a few turns.",
        "{0} in, a few threads.",
        "All four {0} in by hand.",
        "All 4 {0} in, finger tight.",
        "4 x {0}, finger tight.",
        "4x {0} in by hand",
        "{0} back in by hand.",
        "{0} back in, finger tight.",
        "{0} back, finger tight only.",
        "{0} in but loose.",
        "{0} in with fingers only.",
        "{0} in, no tools yet.",
        "{0} hand tight for now.",
    ];

    private static readonly string[] Torqued =
    [
        "{0} 25 N·m.",
        "{0}: 25 N·m.",
        "{0} - 25 N·m.",
        "{0} → 25 N·m.",
        "{0}, 25 N·m.",
        "{0} to 25 N·m.",
        "{0} up to 25 N·m.",
        "{0} at 25 N·m.",
        "{0} tight, 25 N·m.",
        "{0} tight to 25 N·m.",
        "{0} 25 Nm crosswise.",
        "{0} 25 Nm, cross pattern.",
        "{0} crosswise, 25 N·m.",
        "{0} crosswise to 25 N·m.",
        "{0}, 25 N·m each.",
        "{0} get 25 N·m.",
        "{0} = 25 N·m.",
        "{0} (25 N·m).",
        "25 N·m on the {0}.",
        "25 N·m, {0}.",
        "25 N·m all round on the {0}.",
        "4x {0}, 25 N·m",
        "All four {0}: 25 N·m.",
        "{0} down to 25 N·m.",
        "{0} final torque 25 N·m.",
        "{0} torque 25 N·m.",
        "{0}, torque: 25 N·m.",
        "{0} now to 25 N·m.",
        "Torque {0} 25.0 N·m",
        "Tq {0} 25 N·m",
        "{0} done up to 25 N·m.",
        "{0} torqued 25 N·m.",
        "{0} 25 Nm w/ torque wrench.",
        "{0} 25 N·m (click).",
        "{0} 25 N·m / 18 lb-ft.",
    ];

    private static readonly string[] Slack =
    [
        "{0} slack.",
        "{0} slackened.",
        "{0} slackened off.",
        "{0} loose.",
        "{0} loosened.",
        "{0} loose, not out.",
        "{0} only loosened.",
        "{0} loose but left in.",
        "{0} loose, leave them in.",
        "{0} half a turn loose.",
        "{0} slack, half a turn.",
        "{0} back half a turn.",
        "{0} backed off a turn.",
        "Slack {0} off.",
        "Slack off {0}.",
        "{0} slack (don't take them out).",
        "{0}: just slacken.",
        "{0} just loose.",
        "All four {0} slack.",
    ];

    private static readonly string[] Apart =
    [
        "Lamp plug out.",
        "Lamp plug off.",
        "Lamp plug apart.",
        "Lamp plug: unplug.",
        "Lamp plug undone.",
        "Lamp plug disconnected.",
        "Lamp plug out, mind the tab.",
        "Lamp plug pulled.",
        "Out with the lamp plug.",
        "Lamp plug comes off.",
        "Lamp plug unclipped.",
    ];

    private static readonly string[] Together =
    [
        "Lamp plug in.",
        "Lamp plug back in.",
        "Lamp plug on.",
        "Lamp plug back on.",
        "Lamp plug home.",
        "Lamp plug in, click.",
        "Lamp plug together.",
        "Lamp plug back together.",
        "Lamp plug connected.",
        "Lamp plug: reconnect.",
        "Lamp plug in until it clicks.",
        "Lamp plug back.",
        "Lamp plug goes back in.",
        "Lamp plug pushed home.",
    ];

    private static readonly string[] On =
    [
        "{1} on.",
        "{1} back on.",
        "{1} back.",
        "{1} up.",
        "On with the {2}.",
        "On goes the {2}.",
        "{1} goes on.",
        "{1} goes back on.",
        "{1} back in place.",
        "{1} in place.",
        "{1} into place.",
        "{1} in position.",
        "{1}: refit.",
        "{1} - back on.",
        "{1} on, arrow up.",
        "{1} on again.",
        "{1} over the studs.",
        "{1} onto the dowels.",
        "{1} back over the dowels.",
        "{1} on the right way round.",
        "Next the {2} goes on.",
        "{1} refitted.",
        "Back goes the {2}.",
        "{1} home.",
        "{1} on straight.",
        "Offer {2} up.",
        "{1} on, line up the holes.",
    ];

    private static Written Sheet(string part) => new Written().Part(part).Part("tray").Part("hub").Part("frame").Thing(ThingKind.Connection, "lamp plug")
        .Joint("hub nuts", "80 N·m", holds: "hub").Joint($"{part} bolts", "25 N·m", fastener: "M8x25 8.8", holds: part).Set($"{part} bolts", "count", "4")
        .Joint("tray bolts", "25 N·m", fastener: "M8x25 8.8", holds: "tray").Set("tray bolts", "count", "4");

    private static Written TakenOff(string part) => Sheet(part).Steps($"Take out the {part} bolts.", $"Lift the {part} off.");

    private static Written BackOn(string part) => TakenOff(part).Steps($"Put the {part} back on.");

    private static readonly Dictionary<string, (string[] Notes, string Comes, Func<string, Written> Before)> Kinds = new()
    {
        ["out"] = (Out, "TakeOut J2", p => Sheet(p).Steps($"Wipe round the {p}.")),
        ["off"] = (Off, "Remove P1", p => Sheet(p).Steps($"Take out the {p} bolts.")),
        ["both"] = (Both, "TakeOut J2; Remove P1", p => Sheet(p).Steps($"Wipe round the {p}.")),
        ["started"] = (Started, "Start J2", BackOn),
        ["torqued"] = (Torqued, "Torque J2 25 N·m", p => BackOn(p).Steps($"Start the {p} bolts by hand.")),
        ["slack"] = (Slack, "Loosen J2", p => Sheet(p).Steps($"Wipe round the {p}.")),
        ["apart"] = (Apart, "Disconnect C1", p => Sheet(p).Steps($"Wipe round the {p}.")),
        ["together"] = (Together, "Connect C1", p => Sheet(p).Steps("Disconnect the lamp plug.")),
        ["on"] = (On, "Fit P1", TakenOff),
    };

    // The second and the third are also verbs.
    private static readonly string[] Parts = ["bracket", "cover", "shield", "rear guard"];

    public static TheoryData<string, int> Notes => [.. Kinds.SelectMany(k => Enumerable.Range(0, k.Value.Notes.Length).Select(i => (k.Key, i)))];

    [Theory]
    [MemberData(nameof(Notes))]
    public void A_note_is_read_as_the_sentence_it_stands_for(string kind, int number)
    {
        var (notes, comes, before) = Kinds[kind];
        Parts.SelectMany(part => (notes[number].Contains("{0}", StringComparison.Ordinal) ? (string[])[$"{part} bolts", "bolts"] : [""])
                .Select(bolts => (part, Capital(string.Format(System.Globalization.CultureInfo.InvariantCulture, notes[number], bolts, Capital(part), part)))))
            .Select(n => (Note: n.Item2, Said: Said(before(n.part), n.Item2))).Where(r => r.Said != comes).ShouldBeEmpty();
    }

    /// <summary>On a blank sheet the same notes name what they take off and put on.</summary>
    [Theory]
    [MemberData(nameof(Notes))]
    public void A_note_names_what_no_sheet_knows_yet(string kind, int number)
    {
        var (notes, comes, _) = Kinds[kind];
        if (kind is "apart" or "together") return;
        Parts.Select(part => (part, Note: Capital(string.Format(System.Globalization.CultureInfo.InvariantCulture, notes[number], $"{part} bolts", Capital(part), part))))
            .Select(n =>
            {
                var before = new Written();
                if (kind is "started" or "torqued" or "on") before.Steps($"Take out the {n.part} bolts and lift the {n.part} off.");
                if (kind is "started" or "torqued") before.Steps($"Put the {n.part} back on.");
                if (kind is "torqued") before.Steps($"Start the {n.part} bolts by hand.");
                var said = Said(before, n.Note);
                foreach (var thing in before.Sheet.Things.Where(t => t.Kind is ThingKind.Part or ThingKind.Joint).OrderByDescending(t => t.Name.Length))
                    said = said.Replace($" +{thing.Name}", "", StringComparison.Ordinal).Replace($" {thing.Id}", $" {thing.Name}", StringComparison.Ordinal);
                return (n.Note, said, wanted: comes.Replace("J2", $"{n.part} bolts", StringComparison.Ordinal).Replace("P1", n.part, StringComparison.Ordinal));
            }).Where(r => r.said != r.wanted).ShouldBeEmpty();
    }

    /// <summary>A value said in the other unit, rounded, is the joint's own and not asked about; another is.</summary>
    [Theory]
    [InlineData("Cover bolts 18 lb-ft (25 N·m).", false)]
    [InlineData("Cover bolts 18.4 lb-ft.", false)]
    [InlineData("Cover bolts 18.0 lb-ft.", true)]
    [InlineData("Cover bolts 20 lb-ft.", true)]
    [InlineData("Cover bolts 24 N·m.", true)]
    public void A_value_in_the_other_unit_is_the_same_within_its_last_digit(string note, bool asks) =>
        (BackOn("cover").Steps(note).Sheet.Steps.Last().Questions.Length > 0).ShouldBe(asks);

    // What the note does to the cover, its bolts and the plug, and what new names it brings.
    private static string Said(Written written, string note)
    {
        var known = written.Sheet.Things.Select(t => t.Id).ToHashSet();
        var step = written.Steps(note).Sheet.Steps.Last();
        return (step.Questions.Length > 0 ? "asked " : "")
            + string.Join("; ", step.Actions.Where(a => Changes(a) && a.Verb is not (Verb.Discard or Verb.Align or Verb.SetAside)
                    // Cracked first, then out.
                    && !(a.Verb is Verb.BreakLoose or Verb.Loosen && step.Actions.Any(b => b.Target == a.Target && b.Verb == Verb.TakeOut)))
                .Select(a => $"{(a.Verb == Verb.BreakLoose ? Verb.Loosen : a.Verb)} {a.Target}{(a.Branch == 0 ? "" : " if")} {a.Torque}".Trim()))
            + string.Concat(written.Sheet.Things.Where(t => t.Kind is not (ThingKind.Tool or ThingKind.Consumable) && !known.Contains(t.Id)).Select(t => $" +{t.Name}"));
    }
}
