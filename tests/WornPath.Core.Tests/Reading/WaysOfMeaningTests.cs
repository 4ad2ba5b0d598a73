using static WornPath.Core.Tests.Reading.Telling;

namespace WornPath.Core.Tests.Reading;

/// <summary>
/// The fasteners of a part, by all the names people give them: by what they hold, where they sit, how many they are. Known ones are known, and ones
/// told for the first time are one joint, whatever they are called the next time.
/// </summary>
public class WaysOfMeaningTests
{
    // The four cover bolts. {0}: the part, {1}: what it is bolted to.
    private static readonly string[] Names =
    [
        "the {0} bolts",
        "the four {0} bolts",
        "the bolts of the {0}",
        "the bolts on the {0}",
        "the bolts in the {0}",
        "the bolts at the {0}",
        "the bolts from the {0}",
        "the bolts for the {0}",
        "the bolts around the {0}",
        "the bolts around the edge of the {0}",
        "the bolts along the edge of the {0}",
        "the {0}'s bolts",
        "the {0}'s four bolts",
        "the four bolts of the {0}",
        "the four bolts on the {0}",
        "the four M8 bolts on the {0}",
        "the four 13 mm bolts on the {0}",
        "the {0}'s M8 bolts",
        "all four bolts of the {0}",
        "all of the bolts of the {0}",
        "every bolt of the {0}",
        "each bolt of the {0}",
        "the bolts holding the {0}",
        "the bolts that hold the {0}",
        "the bolts which hold the {0} on",
        "the bolts that hold the {0} in place",
        "the bolts holding the {0} down",
        "the four bolts holding the {0} to the {1}",
        "the bolts securing the {0} to the {1}",
        "the bolts that secure the {0}",
        "the bolts fastening the {0} to the {1}",
        "the bolts attaching the {0} to the {1}",
        "the bolts retaining the {0}",
        "the {0} retaining bolts",
        "the {0} mounting bolts",
        "the {0} securing bolts",
        "the {0} fixing bolts",
        "the {0} attachment bolts",
        "the {0}-to-{1} bolts",
        "the bolts with which the {0} is fastened",
        "the bolts by which the {0} is held",
        "the bolts the {0} is held with",
        "the bolts between the {0} and the {1}",
        "the bolts through the {0}",
        "the bolts that go through the {0}",
        "the bolts that go into the {0}",
        "the {0} fasteners",
        "the four {0} fasteners",
        "the fasteners of the {0}",
        "the fasteners holding the {0}",
        "the hardware holding the {0}",
        "the {0} hardware",

        "the {0} bolts (four)",
        "the four on the {0}",
        "the ones on the {0}",
        "those on the {0}",
        "the bolts belonging to the {0}",
        "the bolts at the corners of the {0}",
        "the bolts you see on the {0}",
        "the bolts that keep the {0} in place",
        "the hex bolts of the {0}",
        "the M8 {0} bolts",
        "the M8x25 bolts of the {0}",
        "the bolts connecting the {0} and the {1}",
        "the set of bolts on the {0}",
    ];

    private static readonly (Func<string, string> Tell, Verb Verb)[] Frames =
    [
        (n => $"Remove {n}.", Verb.TakeOut),
        (n => $"Undo {n} and take them out.", Verb.TakeOut),
        (n => $"With a 13 mm socket, loosen {n}.", Verb.Loosen),
        (n => $"Tighten {n} to 25 N·m.", Verb.Torque),
        (n => $"Start {n} by hand.", Verb.Start),
        (n => $"{Capital(n)} are removed.", Verb.TakeOut),
    ];

    // The part is named, then its bolts without it.
    private static readonly string[] Nearby =
    [
        "On the cover, remove the four bolts.",
        "At the cover, remove the bolts.",
        "Cover: remove the bolts.",
        "Cover: remove the four bolts.",
        "Go to the cover and remove its bolts.",
        "Four bolts hold the cover. Remove them.",
        "Four bolts hold the cover; remove them.",
        "The cover is held by four bolts; remove them.",
        "The cover is held on with four bolts. Take them out.",
        "There are four bolts on the cover: remove them.",
        "The cover has four bolts; take them out.",
        "You will find four bolts on the cover. Remove these.",
        "To free the cover, remove its bolts.",
        "To free the cover, remove the four bolts.",
        "To get the cover free, undo its four bolts.",
        "Clean the cover, then remove its bolts.",
        "Look at the cover: its bolts come out now.",
        "Wipe the cover. Remove the bolts from it.",
        "Wipe the cover. Remove its four bolts.",
        "Wipe the cover. Remove the four bolts that hold it.",
        "Wipe the cover. Remove the bolts holding it to the frame.",
        "Wipe the cover, and remove the bolts on it.",
        "Of the cover, remove the bolts only.",
        "Remove the bolts only from the cover.",
        "From the cover, remove all four bolts.",
        "Working around the cover, remove the bolts.",
        "Remove, from the cover, the four bolts.",
        "The four bolts holding the cover can now be removed.",
    ];

    public static TheoryData<int> NameNumbers => [.. Enumerable.Range(0, Names.Length)];

    public static TheoryData<int> NearbyNumbers => [.. Enumerable.Range(0, Nearby.Length)];

    private static string Said(Step step) => (step.Questions.Length > 0 ? "asked " : "")
        + string.Join("; ", step.Actions.Where(Changes).Select(a => $"{a.Verb} {a.Target}{(a.Branch == 0 ? "" : " if")}"));

    [Theory]
    [MemberData(nameof(NameNumbers))]
    public void Fasteners_of_a_part_are_known_by_what_they_hold(int number)
    {
        Frames.Select(frame =>
        {
            var sentence = frame.Tell(string.Format(System.Globalization.CultureInfo.InvariantCulture, Names[number], "cover", "frame"));
            var written = Sheet().Steps(frame.Verb is Verb.TakeOut or Verb.Loosen ? "Wipe the frame." : "Remove the cover bolts.", sentence);
            var said = Said(written.Step(2));
            return said == $"{frame.Verb} J2" && written.Sheet.Joints.Length == 3 && written.Sheet.Parts.Length == 4 ? null
                : $"{sentence} → {said}{New(written, 3, 4)}";
        }).Where(f => f != null).ShouldBeEmpty();
    }

    [Theory]
    [MemberData(nameof(NearbyNumbers))]
    public void Bolts_beside_a_part_that_was_named_are_its_bolts(int number)
    {
        var written = Sheet().Steps("Wipe the frame.", Nearby[number]);
        (Said(written.Step(2)) + New(written, 3, 4)).ShouldBe("TakeOut J2", Nearby[number]);
    }

    // Nobody can tell what those are that were never named.
    public static TheoryData<int> FirstNames =>
        [.. Enumerable.Range(0, Names.Length).Where(i => !Names[i].Contains("hardware", StringComparison.Ordinal)
            && !Names[i].EndsWith("e on the {0}", StringComparison.Ordinal)
            && Names[i] is not ("the four on the {0}" or "the ones on the {0}"))];

    /// <summary>On a blank sheet: told once in one way, again in another, they are one joint.</summary>
    [Theory]
    [MemberData(nameof(FirstNames))]
    public void Told_for_the_first_time_they_stay_one_joint(int number)
    {
        string Name(int way) => string.Format(System.Globalization.CultureInfo.InvariantCulture, Names[way], "cover", "frame");
        int[] others = [0, 2, 11, 13, 22, 34, (number * 7 + 3) % Names.Length];
        others.Select(other =>
        {
            var written = new Written().Steps($"Remove {Name(number)}.", "Lift the cover off.", "Put the cover back.", $"Start {Name(other)} by hand.");
            var said = string.Join(" | ", new[] { 1, 2, 3, 4 }.Select(n => Said(written.Step(n))));
            return written.Sheet.Joints is [var one] && said == $"TakeOut {one.Id} | Remove P1 | Fit P1 | Start {one.Id}" ? null
                : $"{Name(number)} … {Name(other)} → {said}{New(written, 1, 1)}";
        }).Where(f => f != null).ShouldBeEmpty();
    }

    private static Written Sheet() => new Written().Part("cover").Part("tray").Part("hub").Part("frame").Joint("hub nuts", "80 N·m", holds: "hub")
        .Joint("cover bolts", "25 N·m", fastener: "M8x25 8.8", holds: "cover").Set("cover bolts", "count", "4")
        .Joint("tray bolts", "25 N·m", fastener: "M8x25 8.8", holds: "tray").Set("tray bolts", "count", "4");

    private static string New(Written written, int joints, int parts) =>
        string.Concat(written.Sheet.Joints.Skip(joints).Select(j => $" +{j.Name}")) + string.Concat(written.Sheet.Parts.Skip(parts).Select(p =>
            $" +{p.Name}"));
}
