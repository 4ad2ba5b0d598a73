using System.Globalization;
using System.Text;
using System.Text.Json;
using WornPath.Core.Cautions;

namespace WornPath.Core.Tests.Editing;

/// <summary>
/// What each edit does to one sheet, or why it is refused; which two cannot both be done; what is asked of a sentence and what each answer
/// makes of it. Read and approved (<see cref="Approval"/>).
/// </summary>
public class EditedTests
{
    private static readonly string Key = new string('b', 64) + ".png";

    private static Sheet Start()
    {
        var written = new Written().Header("variants", "side: left, right").Part("cover").Part("pads", behind: "P1").Part("bracket")
            .Part("new bracket", kit: true).Joint("cover bolts", "22 N·m", holds: "P1", fastener: "M8×25 8.8").Joint("bracket bolts", "40 N·m")
            .Joint("long bolts", "45 N·m", kit: true).Joint("upper guard screws").Joint("lower guard screws")
            .Set("cover bolts", "count", "6").Set("cover bolts", "pattern", "circle").Set("bracket bolts", "becomes", "superseded by J3")
            .Set("pads", "fate", "replace").Set("pads", "sitsOn", "bracket")
            .Thing(ThingKind.Connection, "sensor lead").Set("sensor lead", "goesTo", "loom").Thing(ThingKind.Fluid, "gear oil").Thing(ThingKind.Aid, "rag")
            .Thing(ThingKind.Tool, "torque wrench").Thing(ThingKind.Consumable, "grease").Thing(ThingKind.Control, "parking brake")
            .Do(new InsertPhase("h2", "h1", "Refit")).Do(new InsertPhase("h3", "h2", "Test"))
            .Steps("Remove the cover bolts and lift the cover off.", "Stuff the rag into the bore.", "Take out the bracket bolts.",
                "Raise the tractor and set it on stands.", "Torque the cover bolts to 30 N·m.",
                "Repeat steps 1 to 3 on the right-hand side.", "Fit the zorch.");
        string Id(int number) => written.Step(number).Id;
        return written.Do(new MoveSteps([Id(5), Id(6), Id(7)], "h2", null))
            .Do(new PutFigure(Id(1), null, Picture("f1", "P1", "J1"))).Do(new PutFigure(Id(1), null, Pattern("f2", "J1")))
            .Do(new PutFigure(Id(3), null, Picture("f3", things: [null])))
            .Do(new WriteCaution(Id(2), "", new Caution(SignalWord.Caution, "A rag that stays in the bore.", "It is drawn in.", "Count the rags.")))
            .Sheet;
    }

    private static Figure Picture(string id, params string?[] things) => new()
    {
        Id = id,
        Picture = new FigurePicture(Key, 800, 600),
        Alt = "the cover",
        Balloons = [.. things.Select((t, i) => new FigureBalloon(new(1000 * i, 500), new(2000, 3000), t, t is null ? "here" : "", t == "J1"))],
    };

    private static Figure Pattern(string id, string joint) => new() { Id = id, Pattern = joint };

    private static Step At(Sheet sheet, int number) => sheet.Steps.ElementAt(number - 1);

    // What is tried: a line each, what is right and what is not.
    private static IEnumerable<(string What, Edit Edit)> Tried(Sheet sheet)
    {
        Step S(int number) => At(sheet, number);
        string Id(int number) => S(number).Id;
        SeenStep Seen(int number) => new(Id(number), S(number).Text);
        SetField Cell(string id, string field, string after) => new(id, field,
            Fields.Of(sheet.Find(id)!.Kind).Single(f => f.Name == field).Get(sheet.Find(id)!), after);
        var big = Picture("f1", "P1", "J1");
        var seen = S(1).Figures[0];
        return
        [
            ("a step behind step 1", new InsertStep(null, "h1", Id(1), "Clean the cover.")),
            ("a step at the head", new InsertStep("new", "h1", null, "Clean the cover.")),
            ("a step behind one that is gone", new InsertStep(null, "h1", "gone", "Clean the cover.")),
            ("a step in a phase that is gone", new InsertStep(null, "gone", null, "Clean the cover.")),
            ("a step of an id that is there", new InsertStep(Id(1), "h1", null, "Clean the cover.")),
            ("a step of an id that is none", new InsertStep("a b", "h1", null, "Clean the cover.")),
            ("a step of 24 letters", new InsertStep(new string('a', 24), "h1", null, "Clean the cover.")),
            ("a step of 25 letters", new InsertStep(new string('a', 25), "h1", null, "Clean the cover.")),
            ("a step with a control character", new InsertStep(null, "h1", null, "Clean\u0007 the cover.")),
            ("a step as long as one may be", new InsertStep(null, "h1", Id(4), new string('x', SheetSize.LongestStep))),
            ("a step too long", new InsertStep(null, "h1", Id(4), new string('x', SheetSize.LongestStep + 1))),
            ("no steps", new InsertSteps("h1", null, [])),
            ("two steps at the end of Test", new InsertSteps("h3", null, [new(null, "Start the engine."), new(null, "Check the brake.")])),
            ("one step in a row", new InsertSteps("h3", null, [new(null, "Start the engine.")])),
            ("step 2 away", new RemoveStep(Id(2), S(2).Text)),
            ("step 2 away, seen otherwise", new RemoveStep(Id(2), "Stuff it.")),
            ("a step away that is gone", new RemoveStep("gone", "")),
            ("steps 5 and 7 away", new RemoveSteps([Seen(5), Seen(7)])),
            ("steps 1 and 7 away, 7 seen otherwise", new RemoveSteps([Seen(1), new(Id(7), "Fit it.")])),
            ("one step away of several", new RemoveSteps([Seen(1)])),
            ("step 1 behind step 3", new MoveStep(Id(1), "h1", Id(3))),
            ("step 4 to the head of Refit", new MoveStep(Id(4), "h2", null)),
            ("step 1 behind itself", new MoveStep(Id(1), "h1", Id(1))),
            ("a step that is gone moves", new MoveStep("gone", "h1", null)),
            ("steps 2 and 1 to Test", new MoveSteps([Id(2), Id(1)], "h3", null)),
            ("one step twice", new MoveSteps([Id(2), Id(2)], "h3", null)),
            ("a step to a phase that is gone", new MoveStep(Id(1), "gone", null)),
            ("step 1 written anew", new WriteStep(Id(1), S(1).Text, "Remove the cover bolts, lift the cover off and hang it aside.")),
            ("step 1 as it is", new WriteStep(Id(1), S(1).Text, S(1).Text)),
            ("step 3 written, seen otherwise", new WriteStep(Id(3), "Take the bracket bolts.", "Loosen the bracket.")),
            ("step 4 empty", new WriteStep(Id(4), S(4).Text, "")),
            ("step 1 with two new names", new WriteStep(Id(1), S(1).Text, "Remove the guard bolts and lift the guard off.")),
            ("the other value kept", new SettleQuestion(Id(5), "30 n·m", "")),
            ("the value of the step taken", new TakeStatedValue(Id(5), S(5).Questions[0].Phrase)),
            ("a value taken that is not asked", new TakeStatedValue(Id(1), "30 N·m")),
            ("the zorch is a part of the kit", new SettleAsNew(Id(7), "zorch", ThingKind.Part, "zorch", true)),
            ("the zorch is a joint", new SettleAsNew(Id(7), "zorch", ThingKind.Joint, "zorch", false)),
            ("the zorch is the bracket", new SettleQuestion(Id(7), "zorch", "P3")),
            ("the zorch is what is gone", new SettleQuestion(Id(7), "zorch", "P99")),
            ("the zorch is called as the cover", new SettleAsNew(Id(7), "zorch", ThingKind.Part, "cover", false)),
            ("a phrase too long", new SettleQuestion(Id(7), new string('x', SheetSize.LongestStep + 1), "")),
            ("step 2 means the cover", new SettleMeaning(Id(2), "Stuff the rag into the bore", Verb.Remove, "P1")),
            ("asked again of what was never answered", new AskAgain(Id(7), "zorch")),
            ("the sentence of step 1 taken", new ReadSentence(Id(1))),
            ("a word learnt", new LearnWords([new HouseWord("whip off", null, Verb.Remove)])),
            ("a word for what cannot be one", new LearnWords([new HouseWord("bonk", null, Verb.Repeat)])),
            ("too many words", new LearnWords([.. Enumerable.Range(0, HouseWord.Most + 1).Select(i => new HouseWord($"word {i}", null, Verb.Remove))])),
            ("a word forgotten that is none", new ForgetWord("whip off")),
            ("a new name looked at", new LookedAt(["P1"])),
            ("more looked at than there can be", new LookedAt([.. Enumerable.Range(0, SheetSize.MostThings + 1).Select(i => $"P{i}")])),
            ("the bracket is a joint", new SetKind("P3", ThingKind.Joint)),
            ("the cover is a connection", new SetKind("P1", ThingKind.Connection)),
            ("the cover bolts are a part", new SetKind("J1", ThingKind.Part)),
            ("the cover is a part", new SetKind("P1", ThingKind.Part)),
            ("what is gone is a joint", new SetKind("P99", ThingKind.Joint)),
            ("a phase at the head", new InsertPhase(null, null, "Before")),
            ("a phase behind Refit", new InsertPhase("h9", "h2", "  Fill  ")),
            ("a phase behind one that is gone", new InsertPhase(null, "gone", "Fill")),
            ("a phase that is there", new InsertPhase("h2", null, "Fill")),
            ("a phase of no name", new InsertPhase(null, null, " ")),
            ("a phase of a name too long", new InsertPhase(null, null, new string('x', Names.Longest + 1))),
            ("a phase of the longest name", new InsertPhase(null, null, new string('x', Names.Longest))),
            ("a phase of an id that is none", new InsertPhase("h 9", null, "Fill")),
            ("Refit renamed", new RenamePhase("h2", "Refit", "Assembly")),
            ("Refit renamed, seen otherwise", new RenamePhase("h2", "Fit", "Assembly")),
            ("Refit called Refit, seen otherwise", new RenamePhase("h2", "Fit", "Refit")),
            ("Refit without a name", new RenamePhase("h2", "Refit", "")),
            ("a phase renamed that is gone", new RenamePhase("gone", "Refit", "Assembly")),
            ("Test away", new RemovePhase("h3")),
            ("Refit away", new RemovePhase("h2")),
            ("a phase away that is gone", new RemovePhase("gone")),
            ("Test first", new MovePhase("h3", null)),
            ("Work behind Refit", new MovePhase("h1", "h2")),
            ("Work behind itself", new MovePhase("h1", "h1")),
            ("Work behind one that is gone", new MovePhase("h1", "gone")),
            ("a phase moves that is gone", new MovePhase("gone", null)),
            ("from step 3 on a phase", new SplitPhase(Id(3), "h9", "Bracket")),
            ("from a step that is gone", new SplitPhase("gone", null, "Bracket")),
            ("Refit joined", new JoinPhase("h2")),
            ("Work joined", new JoinPhase("h1")),
            ("a phase joined that is gone", new JoinPhase("gone")),
            ("a new joint that holds the bracket", new AddThing(ThingKind.Joint, "new bracket nuts", true)),
            ("a new part that the sheet asks for", new AddThing(ThingKind.Part, "zorch", false)),
            ("a new control", new AddThing(ThingKind.Control, "gear lever", false)),
            ("a name that is borne", new AddThing(ThingKind.Part, "the cover", false)),
            ("no name", new AddThing(ThingKind.Part, " ", false)),
            ("a name without a word", new AddThing(ThingKind.Part, "!!", false)),
            ("a name too long", new AddThing(ThingKind.Part, new string('x', Names.Longest + 1), false)),
            ("a row of joints", new AddFilled(ThingKind.Joint, "guard bolts", [new("count", "4"), new("torque", "9 N·m"), new("source", "card 3")])),
            ("a row with a bad cell", new AddFilled(ThingKind.Joint, "guard bolts", [new("count", "four hundred")])),
            ("a row with a column there is not", new AddFilled(ThingKind.Joint, "guard bolts", [new("colour", "red")])),
            ("the lead away", new RemoveThing("C1")),
            ("the rag away", new RemoveThing("A1")),
            ("the new bracket away", new RemoveThing("P4")),
            ("the bracket away", new RemoveThing("P3")),
            ("the pads away", new RemoveThing("P2")),
            ("the long bolts away", new RemoveThing("J3")),
            ("the cover away", new RemoveThing("P1")),
            ("what is gone away", new RemoveThing("P99")),
            ("the cover called lid", Cell("P1", "name", "lid")),
            ("the cover called as the pads", Cell("P1", "name", "pads")),
            ("the cover behind itself", Cell("P1", "behind", "P1")),
            ("the bracket behind pads and cover", Cell("P3", "behind", "pads, P1, cover")),
            ("the bracket behind what is none", Cell("P3", "behind", "hood")),
            ("the bracket sits on the pads", Cell("P3", "sitsOn", "pads")),
            ("the cover sits on the bracket", Cell("P1", "sitsOn", "bracket")),
            ("the cover sits on itself", Cell("P1", "sitsOn", "cover")),
            ("the cover on the left only", Cell("P1", "only", "left")),
            ("the cover on the front only", Cell("P1", "only", "front")),
            ("eight cover bolts", Cell("J1", "count", "8")),
            ("two cover bolts", Cell("J1", "count", "2")),
            ("no cover bolts", Cell("J1", "count", "0")),
            ("two hundred cover bolts", Cell("J1", "count", "200")),
            ("cover bolts that are hand-tight", Cell("J1", "torque", "2 flats past hand-tight")),
            ("cover bolts without a torque", Cell("J1", "torque", "")),
            ("cover bolts at much", Cell("J1", "torque", "much")),
            ("cover bolts by side", Cell("J1", "variants", "left: 22 N·m; right: 25 N·m")),
            ("cover bolts twice left", Cell("J1", "variants", "left: 22 N·m; Left: 25 N·m")),
            ("cover bolts by no side", Cell("J1", "variants", "22 N·m")),
            ("cover bolts in a spiral", Cell("J1", "pattern", "spiral")),
            ("cover bolts in no pattern", Cell("J1", "pattern", "")),
            ("cover bolts superseded by themselves", Cell("J1", "becomes", "superseded by J1")),
            ("cover bolts superseded by the long ones", Cell("J1", "becomes", "superseded by long bolts")),
            ("cover bolts superseded by what is none", Cell("J1", "becomes", "superseded by J9")),
            ("cover bolts given away", Cell("J1", "becomes", "given away")),
            ("cover bolts discarded", Cell("J1", "becomes", "discard")),
            ("bracket bolts refitted", Cell("J2", "becomes", "")),
            ("cover bolts marked", Cell("J1", "mark", "x")),
            ("cover bolts marked perhaps", Cell("J1", "mark", "perhaps")),
            ("cover bolts locked by glue", Cell("J1", "locking", "glue")),
            ("the cover weighs 12 kg", Cell("P1", "mass", "12")),
            ("the cover weighs nothing", Cell("P1", "mass", "0")),
            ("a cell changed a moment ago", new SetField("P1", "quantity", "3", "4")),
            ("a cell that has come to it", new SetField("P1", "quantity", "3", "1")),
            ("a column there is not", new SetField("P1", "torque", "", "20 N·m")),
            ("a cell of what is gone", new SetField("P99", "quantity", "1", "2")),
            ("a cell too long", new SetField("P1", "note", "", new string('x', SheetSize.LongestStep + 1))),
            ("the note of the cover too long", new SetField("P1", "note", "", new string('x', 501))),
            ("the note of the cover as long as can be", new SetField("P1", "note", "", new string('x', 500))),
            ("the purpose", new SetField("", "purpose", "", "New pads.")),
            ("the difficulty", new SetField("", "difficulty", "1", "6")),
            ("a field of the header there is not", new SetField("", "colour", "", "red")),
            ("no sides", new SetField("", "variants", Factor.Text(sheet.Header.Variants), "")),
            ("another side", new SetField("", "variants", Factor.Text(sheet.Header.Variants), "side: left, right; engine: petrol, diesel")),
            ("minutes of step 1", new SetField(Id(1), "minutes", "", "12.5")),
            ("no minutes of step 1", new SetField(Id(1), "minutes", "", "0")),
            ("people of step 1", new SetField(Id(1), "people", "", "2")),
            ("a field of a step there is not", new SetField(Id(1), "colour", "", "red")),
            ("the pads by name", new SetFieldByName("Pads", "quantity", "4")),
            ("a column of the pads there is not", new SetFieldByName("pads", "colour", "red")),
            ("what is gone by name", new SetFieldByName("hood", "quantity", "4")),
            ("a caution more", new WriteCaution(Id(1), "", new Caution(SignalWord.Warning, "The cover is hot.", "It burns.", "Let it cool."))),
            ("the caution of step 2 written anew", new WriteCaution(Id(2), S(2).Cautions[0].Hazard,
                new Caution(SignalWord.Warning, "A rag in the bore.", "It is drawn in.", "Count the rags."))),
            ("a usual caution written anew", new WriteCaution(Id(4), Usual(sheet, 4),
                new Caution(SignalWord.Warning, "It falls.", "It kills.", "Use stands."))),
            ("a caution without its hazard", new WriteCaution(Id(1), "", new Caution(SignalWord.Warning, " ", "It burns.", "Let it cool."))),
            ("a caution without what to do", new WriteCaution(Id(1), "", new Caution(SignalWord.Warning, "The cover is hot.", "It burns.", ""))),
            ("a caution too long", new WriteCaution(Id(1), "", new Caution(SignalWord.Warning, new string('x', 2001), "It burns.", "Let it cool."))),
            ("the caution of step 2 away", new DropCaution(Id(2), S(2).Cautions[0].Hazard, "")),
            ("a usual caution away without a reason", new DropCaution(Id(4), Usual(sheet, 4), " ")),
            ("a usual caution away", new DropCaution(Id(4), Usual(sheet, 4), "It stands on the floor.")),
            ("a caution away that is none", new DropCaution(Id(1), "none", "So.")),
            ("a caution back that never went", new BringCautionBack(Id(4), Usual(sheet, 4))),
            ("a figure more", new PutFigure(Id(2), null, Picture("f9", "A1"))),
            ("a figure that is there", new PutFigure(Id(2), null, Picture("f1", "A1"))),
            ("a figure of what is gone", new PutFigure(Id(2), null, Picture("f9", "P99"))),
            ("a figure of no pattern", new PutFigure(Id(2), null, Pattern("f9", "J2"))),
            ("a pattern with a balloon", new PutFigure(Id(2), null, Pattern("f9", "J1") with { Balloons = big.Balloons })),
            ("a value of a part", new PutFigure(Id(2), null, Picture("f9", "P1") with { Balloons = [new(new(1, 1), new(2, 2), "P1", "", true)] })),
            ("a balloon outside", new PutFigure(Id(2), null, Picture("f9") with { Balloons = [new(new(10_001, 1), new(2, 2), "P1", "", false)] })),
            ("a balloon at the edge", new PutFigure(Id(2), null, Picture("f9") with { Balloons = [new(new(10_000, 0), new(2, 2), "P1", "", false)] })),
            ("a balloon that says nothing", new PutFigure(Id(2), null, Picture("f9") with { Balloons = [new(new(1, 1), new(2, 2), null, " ", false)] })),
            ("a balloon that says too much", new PutFigure(Id(2), null, Picture("f9") with
            {
                Balloons = [new(new(1, 1), new(2, 2), null, new string('x', Figuring.LongestSays + 1), false)],
            })),
            ("a balloon that says as much as it may", new PutFigure(Id(2), null, Picture("f9") with
            {
                Balloons = [new(new(1, 1), new(2, 2), null, new string('x', Figuring.LongestSays), false)],
            })),
            ("an arrow of no length", new PutFigure(Id(2), null, Picture("f9") with { Arrows = [new(new(1, 1), new(1, 1))] })),
            ("an arrow that ends beside its picture", new PutFigure(Id(2), null, Picture("f9") with { Arrows = [new(new(1, 1), new(10_001, 1))] })),
            ("an arrow that begins beside its picture", new PutFigure(Id(2), null, Picture("f9") with { Arrows = [new(new(1, 10_001), new(1, 1))] })),
            ("an arrow", new PutFigure(Id(2), null, Picture("f9") with { Arrows = [new(new(1, 1), new(900, 1))] })),
            ("a part too small", new PutFigure(Id(2), null, Picture("f9") with { Crop = new(0, 0, Figuring.SmallestPart - 1, 500) })),
            ("a part as small as can be", new PutFigure(Id(2), null, Picture("f9") with { Crop = new(0, 0, Figuring.SmallestPart, Figuring.SmallestPart) })),
            ("a part beyond the edge", new PutFigure(Id(2), null, Picture("f9") with { Crop = new(9000, 0, 1001, 500) })),
            ("a part to the edge", new PutFigure(Id(2), null, Picture("f9") with { Crop = new(9000, 0, 1000, 500) })),
            ("an enlarged part", new PutFigure(Id(2), null, Picture("f9") with { Inset = new(new(0, 0, 1000, 1000), new(5000, 5000), 20) })),
            ("an enlarged part that is not", new PutFigure(Id(2), null, Picture("f9") with { Inset = new(new(0, 0, 1000, 1000), new(5000, 5000), 10) })),
            ("a part enlarged too much", new PutFigure(Id(2), null, Picture("f9") with { Inset = new(new(0, 0, 1000, 1000), new(0, 0), 81) })),
            ("a figure of no picture", new PutFigure(Id(2), null, new Figure { Id = "f9" })),
            ("a figure of a foreign picture", new PutFigure(Id(2), null, Picture("f9") with { Picture = new("../x.png", 800, 600) })),
            ("a figure too wide", new PutFigure(Id(2), null, Picture("f9") with { Picture = new(Key, FigurePicture.LargestSide + 1, 600) })),
            ("a figure without what it shows", new PutFigure(Id(2), null, Picture("f9") with { Alt = "" })),
            ("a figure that tells too much", new PutFigure(Id(2), null, Picture("f9") with { Alt = new string('x', Figuring.LongestAlt + 1) })),
            ("figure 1 otherwise", new PutFigure(Id(1), seen, seen with { Caption = "from below" })),
            ("figure 1 under another id", new PutFigure(Id(1), seen, seen with { Id = "f9" })),
            ("figure 1 otherwise, seen otherwise", new PutFigure(Id(1), seen with { Alt = "the bracket" }, seen with { Caption = "from below" })),
            ("figure 1 away", new PutFigure(Id(1), seen, null)),
            ("figure 1 away from another step", new PutFigure(Id(2), seen, null)),
            ("nothing for nothing", new PutFigure(Id(2), null, null)),
            ("figure 1 to step 4", new MoveFigure("f1", Id(4), 3)),
            ("figure 1 behind figure 2", new MoveFigure("f1", Id(1), 1)),
            ("figure 3 before figure 1", new MoveFigure("f3", Id(1), -1)),
            ("a figure moves that is gone", new MoveFigure("f99", Id(1), 0)),
            ("two at once", new Several("Guard added", [new AddThing(ThingKind.Part, "guard", false), new SetFieldByName("guard", "mass", "3")])),
            ("two at once, the second wrong", new Several("Guard added",
                [new AddThing(ThingKind.Part, "guard", false), new SetFieldByName("guard", "mass", "much")])),
            ("several in several", new Several("Guard added", [new Several("x", [])])),
        ];
    }

    private static string Usual(Sheet sheet, int number) => UsualCautions.Proposed(At(sheet, number), sheet).First().Hazard;

    [Fact]
    public void What_each_edit_does_and_which_two_meet_is_as_it_was_read_and_approved()
    {
        var sheet = Start();
        var now = new StringBuilder();
        var done = new List<(string What, Applied Applied)>();
        foreach (var (what, edit) in Tried(sheet))
        {
            var outcome = Editor.Apply(sheet, edit);
            now.Append(what).Append(": ");
            if (!outcome.IsGood)
            {
                now.AppendLine(Told(outcome.Problem));
                continue;
            }

            var (after, delta, label) = outcome.Value;
            now.Append('[').Append(label).Append("] ").AppendLine(delta.IsEmpty ? "nothing changes" : Cut(DeltaWords.Of(delta)));
            if (delta.IsEmpty) continue;
            done.Add((what, outcome.Value));
            foreach (var change in delta.Changes) now.Append("    ").AppendLine(Cut(Told(change)));
            // Nothing is lost on the way there and back.
            EditTests.Json(delta.Inverse().ApplyTo(after).Value).ShouldBe(EditTests.Json(sheet));
        }

        // One of those that change the same.
        done = [.. done.DistinctBy(d => string.Join(' ', d.Applied.Delta.Changes.Select(c => $"{c.Slot}:{c.Id} {c.Field} {c.To}")))];
        now.AppendLine().AppendLine("== the first is done, then comes the second, made on the sheet as it was");
        foreach (var (first, a) in done)
        {
            var met = done.Where(d => d.What != first).Select(d => (d.What, Met: Editor.Again(a.Sheet, d.Applied.Delta))).ToList();
            foreach (var (second, both) in met.Where(m => m.Met.IsGood)) NamesNothingThatIsGone(both.Value.Sheet, $"{first}, then {second}");
            Tell(now, first, met.Where(d => !d.Met.IsGood).Select(d => (d.What, d.Met.Problem)));
        }

        now.AppendLine().AppendLine("== the first is done, then the second, and the first is taken back");
        foreach (var (first, a) in done)
        {
            var met = Tried(sheet).Where(t => t.What != first && done.Exists(d => d.What == t.What)).Select(t => (t.What, After: Editor.Apply(a.Sheet, t.Edit)))
                .Where(t => t.After.IsGood).Select(t => (t.What, Back: Editor.Again(t.After.Value.Sheet, a.Delta.Inverse()))).ToList();
            foreach (var (second, back) in met.Where(m => m.Back.IsGood))
                NamesNothingThatIsGone(back.Value.Sheet, $"{first}, then {second}, and the first is taken back");
            Tell(now, first, met.Where(d => !d.Back.IsGood).Select(d => (d.What, d.Back.Problem)));
        }

        Approval.ShouldBeAsApproved(now.ToString(), "edited.txt");
    }

    [Fact]
    public void What_an_old_sheet_names_that_was_gone_before_stands_in_the_way_of_no_undo()
    {
        var start = Start();
        var step = At(start, 2);
        var old = start with
        {
            Phases = [.. start.Phases.Select(p => p with { Steps = [.. p.Steps.Select(s => s.Id == step.Id ? s with { Shows = [Picture("f8", "P99")] } : s)] })],
        };
        var done = Editor.Apply(old, new WriteStep(At(old, 1).Id, At(old, 1).Text, "Remove the cover bolts.")).Value;
        var back = Editor.Again(done.Sheet, done.Delta.Inverse());
        back.IsGood.ShouldBeTrue(back.Problem?.ToString());
        EditTests.Json(back.Value.Sheet).ShouldBe(EditTests.Json(old));
        // What is taken away by the undo itself, and shown by now, stays.
        var added = Editor.Apply(start, new AddThing(ThingKind.Part, "guard", false)).Value;
        var shown = Editor.Apply(added.Sheet, new PutFigure(step.Id, null, Picture("f8", added.Delta.Changes[0].Id))).Value.Sheet;
        Editor.Again(shown, added.Delta.Inverse()).Problem!.What.ShouldContain("guard is used by a figure");
    }

    [Fact]
    public void Of_two_cautions_that_were_dropped_one_is_brought_back()
    {
        var sheet = new Written().Steps("Raise the tractor and set it on stands. Drain the fuel. Disconnect the hydraulic hose.").Sheet;
        string[] hazards = [.. UsualCautions.Proposed(At(sheet, 1), sheet).Select(c => c.Hazard).Distinct()];
        hazards.Length.ShouldBeGreaterThan(1);
        foreach (var hazard in hazards) sheet = Editor.Apply(sheet, new DropCaution(At(sheet, 1).Id, hazard, "It does not happen here.")).Value.Sheet;
        sheet = Editor.Apply(sheet, new BringCautionBack(At(sheet, 1).Id, hazards[1])).Value.Sheet;
        At(sheet, 1).Dropped.Select(d => d.Hazard).ShouldBe(hazards.Where((_, i) => i != 1), ignoreOrder: true);
    }

    private static void Tell(StringBuilder now, string first, IEnumerable<(string What, Problem? Problem)> refused)
    {
        foreach (var group in refused.GroupBy(r => Told(r.Problem)))
            now.Append(first).Append(", then ").AppendJoin("; ", group.Select(g => g.What)).Append(": ").AppendLine(group.Key);
    }

    private static void NamesNothingThatIsGone(Sheet sheet, string how)
    {
        foreach (var id in sheet.Steps.SelectMany(s => s.Named).Concat(sheet.Things.SelectMany(t => t.PartIds)))
            (sheet.Find(id) is not null).ShouldBeTrue($"{how}: {id} is named and not on the sheet.");
    }

    private static string Told(Problem? problem) => $"! {problem}{(problem?.Clash is { } clash ? $" <{Cut(clash.Theirs)} | {Cut(clash.Yours)}>" : "")}";

    private static string Told(Change change)
    {
        static string At(Place? place, string word) => place is null ? "" : $" {word} {place.Phase}/{place.After}/{place.Order}";
        // What is long stands in the sheet: that it changed is enough.
        var shown = change.Field is "text" or "name" || change.Before is null || change.After is null
            || change.Before.Value.ValueKind is not (JsonValueKind.Object or JsonValueKind.Array);
        return $"{change.Slot}:{change.Id}{(change.Field is { } field ? $" {field}" : "")}{At(change.From, "from")}{At(change.To, "to")}"
            + (shown ? $": {change.Before} → {change.After}" : "");
    }

    private static string Cut(string text) => text.Length <= 300 ? text : $"{text[..300]}… ({text.Length})";

    // Sentences of which something is asked, and some of which nothing is.
    private static readonly string[] Sentences =
    [
        "Remove the zorch.", "Fit the zorch bolts.", "Fit the new zorch.", "Remove the two zorch bolts.", "Connect the zorch.",
        "Fill the zorch.", "Remove the bolts.", "Torque the bracket bolts.", "Torque the cover bolts to 30 N·m.",
        "Torque the cover bolts to 22.", "Torque the bracket bolts to 40 lbf·ft.", "Torque the cover bolts to 22000 N·m.",
        "Remove the cover, then 10 N·m.", "Raise the platform.", "Zorch the cover.", "Zorch it.", "Six screws, and they are locked in.",
        "Remove one of the pads.", "Remove the left-hand pad.", "Take the inner pad out.", "Set the parking brake.",
        "Release the parking brake.", "Remove it.", "If it is worn, remove the zorch.", "Left: remove the zorch.",
        "Measure the pads: at least 3 mm.", "Wait 20 minutes.", "Drain the oil.", "Fill in oil.", "Stuff a rag into the zorch.",
        "Take out the bracket bolts with the zorch.", "Repeat steps 1 to 2 on the other side.",
        "Tighten the cover bolts to 10 N·m, then to 22 N·m.", "Torque the cover bolts to 22 N·m plus 90°.",
        "Remove the bracket from the cover.", "Make sure it is clean.", "Note: torque the bracket bolts to 40 N·m.",
        "Note: oil may run out.", "Tip: grease on the ring helps.", "Warning: oil may run out of the bore.",
        "Warning: set the tractor on stands.", "Take out the bracket bolts. Raise the tractor and set it on stands.",
        "Fill in a litre and a half of gear oil.", "Repeat step 0 on the other side.", "Repeat steps 3 to 1.",
        "Torque the bracket bolts as in step 9 the cover bolts.", "Remove the guard screws.", "Torque the cover.",
        "Torque the cover bolts to 45 bananas.", "Loosen some of the cover bolts.", "Lower the loader arms.",
        "Torque the upper guard screws to 40.", "Torque the upper guard screws to 9 N·m.",
        "Take the two upper guard screws out, and the lower ones.", "Pull the sensor lead off and hang it aside.", "Renew the pads.",
        "Loosen the cover bolts by half a turn, then take out two of them.", "Put the gear lever in neutral.", "Close the fuel tap.",
        "Raise the loader arms.",
    ];

    [Fact]
    public void What_is_asked_of_a_sentence_and_what_each_answer_makes_of_it_is_as_it_was_read_and_approved()
    {
        var now = new StringBuilder();
        // A sheet with nothing on it that tells a unit.
        var bare = new Written().Joint("pump bolts", holds: "").Part("pump").Sheet;
        string[] ofBare = ["Torque the pump bolts to 40.", "Torque the pump bolts.",
            "Start the pump bolts and torque to 40.", "Fit the kit bracket with its bolts."];
        foreach (var (start, phase, text) in Sentences.Select(s => (Start(), "h3", s)).Concat(ofBare.Select(s => (bare, "h1", s))))
        {
            var sheet = Editor.Apply(start, new InsertStep("t", phase, null, text)).Value.Sheet;
            var step = sheet.FindStep("t")!;
            now.AppendLine(text).Append("  ").AppendLine(Comes(start, sheet));
            for (var chip = 0; chip < step.Actions.Length; chip++)
                if (Mending.Of(sheet, step, chip) is { } mending)
                {
                    now.AppendLine(CultureInfo.InvariantCulture,
                        $"  chip {chip + 1}, {mending.Place + 1} of “{mending.Words}”: {mending.Before}");
                    Answered(now, sheet, mending.Answers);
                }

            foreach (var question in step.Questions)
            {
                now.Append("  ? ").AppendLine(Asking.Of(question, sheet));
                Answered(now, sheet, Asking.Answers(question, step, sheet).DistinctBy(a => a.Label));
            }

            if (Mending.Of(sheet, step, 0)?.Answers.FirstOrDefault(a => a.Label.StartsWith("No: ", StringComparison.Ordinal)) is ({ } otherwise, var say)
                && Editor.Apply(sheet, say) is { IsGood: true, Value.Sheet: var said } && Mending.Of(said, said.FindStep("t")!, 0) is { } again)
            {
                now.Append("  once it is said (").Append(otherwise).AppendLine("):");
                Answered(now, said, again.Answers);
            }

            var more = Mending.More(sheet, step, null);
            now.Append("  clauses: ").AppendJoin(" | ", Mending.ClausesOf(sheet, step)).Append("; one more is done in “").Append(more.Words).Append("”, ")
                .Append(more.Place + 1).AppendLine();
            foreach (var words in PlainWords.Of(sheet, step)) now.Append("  only said: ").AppendLine(words);
        }

        Approval.ShouldBeAsApproved(now.ToString(), "asked.txt");
    }

    private static void Answered(StringBuilder now, Sheet sheet, IEnumerable<(string Label, Edit Edit)> answers)
    {
        foreach (var (label, edit) in answers)
        {
            var answered = Editor.Apply(sheet, edit);
            now.Append("    ").Append(label).Append(": ").AppendLine(answered.IsGood ? Comes(sheet, answered.Value.Sheet) : Told(answered.Problem));
        }
    }

    // What the step comes to, what is asked of it, and what came onto the sheet or changed there.
    private static string Comes(Sheet before, Sheet sheet)
    {
        var step = sheet.FindStep("t")!;
        var things = Delta.Between(before, sheet).Changes.Where(c => c.Slot is not ("step" or "phase" or "issued"))
            .Select(c => c.Field is null ? (c.Before is null ? $"new {sheet.Find(c.Id)?.Label}" : $"gone {c.Id}") : $"{c.Id} {c.Field} {c.After}");
        var others = before.Steps.Where(s => s.Id != "t").Sum(s => sheet.FindStep(s.Id)!.Questions.Length - s.Questions.Length);
        return string.Join("; ", step.Actions.Select(a => Asking.Of(a, sheet)).DefaultIfEmpty("nothing"))
            + (step.Questions.Length > 0 ? $" ({step.Questions.Length} asked)" : "")
            + string.Concat(things.Select(t => $" | {t}")) + (others != 0 ? $" | {others} asked elsewhere" : "");
    }
}
