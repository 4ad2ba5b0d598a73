using CsCheck;

namespace WornPath.Core.Tests.Reading;

/// <summary>Whatever is typed into a step is read without a fault, the same each time, and points at places that are there.</summary>
public class AnyTextTests
{
    private static readonly string[] Bits =
    [
        "remove", "Torque", "the", "cover", "cover bolts", "to", "22 N·m", "95", "and", "then", ",", ".", ":", ";", "\n", "\nOr, if it sits fast:", "\nIf it is worn:", "\nShould a bolt snap:", "Left:", "With cast wheels,", "| a | b |", "| 1–2 mm | x |", "|", "left", "right",
        "it", "them", "new", "firm", "level ground", "till it lets go", "port OUT", "Reinsert", "at the pump", "neg.", "first pass", "90°", "half a turn", "10 minutes", "don't", "not", "until", "with the rag", "Hang", "draw",
            "knock", "break", "loose", "measure", "at least 9.0 mm", "“", "<b>", "&", "🛠", "—", "1/2", "%", "é", "J1", "P99", "(", ")", "  ",
            "–", "cotter pin", "insert", "retorque", "raise", "lower", "tractor", "by loosening", "having loosened", "Frob", "12½", "120",
            "the nuts", "otherwise", "that hold", "but do not", "is held by two bolts", "there are two bolts on", "it's off", "once they're out",
            "a single bolt", "the ring of the earth lead", "the hose end", "with its washer", "keep the spacer", "washers under the heads",
            "let it all run out", "drain plug", "radiator tap", "idler", "swing back", "let the idler return", "top half of", "100 °C", "4x", "LH",
            "fuel on", "clamp the hose", "slip a hand under", "pull up on the rear of", "on the ground", "lock to lock", "oil 1.2 l", "nuts M6",
            "off", "while you turn the hub", "move each", "lever", "caution", "good and tight",
            "upper", "the lower one", "the other", "both", "covers", "bolts", "/", "likewise", "in this order:", "the same goes for", "next",
                "second", "last", "first",
            "is removed", "comes off", "goes", "and so is", "onto the shaft:", "after that", "behind it", "followed by", "each",
            "half of", "every other", "the fourth", "of the four cover bolts,", "bar one", "leaving one in", "three", "1 to 3", "rear pair", "together with",
                "with it", "and all", "let", "come off", "in case of wear", "whether it is", "or not", "a worn", "must be replaced", "should you find",
                "in place of the old one", "sits", "next to go on is", "only then is", "return", "carry on by", "takes its place", "where it belongs",
                "gives access to", "into the", "press", "leaks", "while the", "instead of", "even if", "there are two things to fit:", "goes too",
                "slide it back", "guide it down past", "bring it down", "swing it clear", "set it aside", "undo the bolts", "the nut off",
                "that are left", "which remain", "still in", "they want", "it needs", "must not move at", "back on the ground", "on its wheels",
                    "up it goes", "no joy,",
                "out of your way", "right,", "the same way", "except the top two", "use two of the bolts to hold it", "catch it with",
                    "front and back of", "to one side",
                "get", "started", "make sure", "comes loose", "at 30", "85", "then 45", "before torquing", "are to be torqued", "next, then",
                "springs out", "hooks onto", "can fly off", "let it snap into", "relax", "you get", "there are", "to take out", "open", "shut", "swing", "pull",
                "until it comes off", "itself", "its", "in place", "as soon as", "once you have", "out", "hold it", "are", "from the cover take", "with its",
                "WARNING:", "failure to", "take care not to", "with a dab of grease", "grease", "repeat", "steps 1 and 2", "as in step 1", "can", "may only",
                "under pressure", "on", "the lip of", "heads", "nothing but", "or else", "when", "the same applies", "likewise on the other side",
                "and the pump out of the frame", "get", "have", "again after ten hours", "once more after the first hour", "while you crack it", "hold the fitting",
                "screws, a quarter turn each, and", "drops down", "isolate the battery by", "disconnecting", "following the marks made earlier", "off with",
                "leave each on by two threads", "one person", "the other removes", ", which are now removed", "mind the", ", which will fall out",
                "with more than 0.5 mm of play", "below 18 mm,", "the new", "the new one", "with their springs", "it sits on", "button", "block the wheels",
                "the chocks", "off the stands", "while it's apart", "where the cover is hard,", "as long as", "25 N·m for", "30 for", "check", "after the first hour",
                "seat", "in reverse order", "cotter", "clevis pin", "in the bin", "rag in the", "aside", "start it", "tightening torque of",
                "refit", "screws 8 N·m", "two screws", "the old", "these are to be", "somewhere safe", "with M10 bolts, flat washers and lock nuts", "using",
                "leaving the bolts loose", "nuts on the outside", "four bolts up from below", "replace", "last of all the cover:", "other 2",
                "the new, longer", "all hardware", "hold it there with", "just enough that", "clip", "unclip", "let the cover drop down", "spare wheel",
                "is yours", "the upper one", "lock the cover with its set screw,", "securing the guard",
                ", after removal of its bolts,", ", once its bolts are out,", "after loosening of the six flange bolts,", "whereupon", "thereafter",
                ", to which end its nuts are undone", "having been removed", "to be discarded", "to be taken off", ", which are removed", "together with the spacer",
                "at ninety", "(eyes!)", "x2", "i.e. the left one", "yourself", "nut (36) off", "greased and in", "What holds it?", "replace the cover by the pump",
                "must engage in its groove", "about 60 mm", "the plate leaves", "as described below", "by hand", "the way your picture says", "up and out with",
                "thickness", "at least", "must not exceed", "or more", "maximum", "0.05 mm", "between 0.1 and 0.3 mm", "the minimum", "is", "make sure", "min.",
    ];

    private static readonly Gen<string> Texts = Gen.Select(Gen.Int[0, Bits.Length - 1], Gen.Bool).Array[0, 30].Select(parts => string.Concat(parts.Select(p => Bits[p.Item1] + (p.Item2 ? " " : ""))));

    private static Written Start() => new Written().Header("variants",
        "wheels: steel wheels, cast wheels; side: left, right").Part("cover")
        .Part("upper cover").Part("lower cover").Joint("long bolt").Joint("short bolt").Joint("cover bolts", "22 N·m", holds: "cover").Set("cover bolts", "count", "4")
        .Thing(ThingKind.Control, "tap").Joint("hub nut", "80 N·m", locking: "cotter pin").Thing(ThingKind.Aid, "rag");

    [Fact]
    public void Any_text_is_read_twice_the_same_and_every_place_is_in_it() => Texts.Always(1500, text =>
    {
        var sheet = Start();
        sheet.Do(new InsertStep("s1", "h1", null, text));
        var step = sheet.Step(1);
        foreach (var action in step.Actions)
        {
            action.At.Start.ShouldBeInRange(0, text.Length);
            action.At.End.ShouldBeLessThanOrEqualTo(text.Length);
            action.In.Of(text).Length.ShouldBe(action.In.Length);
            action.Branch.ShouldBeInRange(0, step.Branches.Length);
            if (action.Target is { } id) sheet.Sheet.Find(id).ShouldNotBeNull();
        }

        sheet.Sheet.Things.ShouldAllBe(t => t.Name.Trim().Length > 0);
        foreach (var branch in step.Branches) branch.At.End.ShouldBeLessThanOrEqualTo(text.Length);
        var again = Start().Do(new InsertStep("s1", "h1", null, text)).Step(1);
        again.Actions.ShouldBe(step.Actions);
        again.Questions.Select(q => (q.Kind, q.Phrase)).ShouldBe(step.Questions.Select(q => (q.Kind, q.Phrase)));
    });

    private static readonly Lazy<string[][]> Sentences = new(() => [.. Directory.EnumerateDirectories(Path.Combine(Repository.Root, "tests"), "*corpus")
        .SelectMany(folder => Directory.EnumerateFiles(folder, "*.jsonl")).Order(StringComparer.Ordinal).SelectMany(f => File.ReadLines(f).Skip(1))
        .Select(line => System.Text.Json.JsonDocument.Parse(line).RootElement.GetProperty("text").GetString()!.Split(' '))]);

    private static string[] Sentence(int number) => Sentences.Value[number % Sentences.Value.Length];

    // The beginning of one sentence of the corpora and the end of another, or one with some of its words left out.
    private static readonly Gen<string> Mixed = Gen.Select(Gen.Int[0, 9999], Gen.Int[0, 9999], Gen.Int[0, 40], Gen.Int[0, 40], Gen.Bool, (one, other, cut, from, spliced) =>
        string.Join(' ', spliced ? [.. Sentence(one).Take(cut), .. Sentence(other).Skip(from)] : Sentence(one).Where((_, i) => i * 7 % (cut + 2) != from % (cut + 2))));

    [Fact]
    public void Sentences_cut_and_mixed_are_read_and_name_what_has_a_name() => Mixed.Always(3000, text =>
    {
        var sheet = Start();
        sheet.Do(new InsertStep("s1", "h1", null, text));
        sheet.Sheet.Things.ShouldAllBe(t => t.Name.Trim().Length > 0);
        foreach (var action in sheet.Step(1).Actions) action.In.Of(text).Length.ShouldBe(action.In.Length);
    });

    // What broke the reading once.
    [Theory]
    [InlineData("Pump-end nuts stay tight, injector end: turn loose, crank 10 s, retighten.")]
    [InlineData("Injector end: undo.")]
    [InlineData("Keep the cover for yourself")]
    public void Texts_that_once_broke_the_reading_are_read(string text) =>
        Editor.Apply(Start().Sheet, new InsertStep("s1", "h1", null, text)).IsGood.ShouldBeTrue();

    [Fact]
    public void Any_text_is_walked_judged_and_its_fixes_can_be_carried_out() => Texts.Array[1, 5].Always(250, texts =>
    {
        var sheet = Start().Steps(texts);
        foreach (var fix in sheet.Findings().SelectMany(f => f.Fixes))
            Editor.Apply(sheet.Sheet, fix.Edit).IsGood.ShouldBeTrue(fix.Title);
        foreach (var question in sheet.Sheet.Steps.SelectMany(s => s.Questions.Select(q => (Step: s, Question: q))))
            foreach (var (label, edit) in Asking.Answers(question.Question, question.Step, sheet.Sheet))
                Editor.Apply(sheet.Sheet, edit).Problem?.What.ShouldNotBeNullOrEmpty(label);
    });

    // Whatever was read, each answer on its chip does what it says, or says why not; struck out, the word stands alone, and taken back it
    // leaves nothing of itself. (That real sentences are read as before is SayingTests' to show: of any text, things looked at meanwhile
    // may be taken otherwise.)
    [Fact]
    public void Whatever_is_read_of_any_text_can_be_mended() => Texts.Always(400, text =>
    {
        var sheet = Start().Do(new InsertStep("s1", "h1", null, text)).Sheet;
        var step = sheet.FindStep("s1")!;
        for (var i = 0; i < step.Actions.Length; i++)
        {
            var mending = Mending.Of(sheet, step, i)!;
            mending.Words.ShouldNotBeEmpty($"{text}: {step.Actions[i].Verb}");
            foreach (var (label, edit) in mending.Answers) Editor.Apply(sheet, edit).Problem?.What.ShouldNotBeNullOrEmpty(label);
            var struck = Editor.Apply(sheet, new SayAction("s1", mending.Words, mending.Place, mending.Before, null)).Value.Sheet;
            struck.FindStep("s1")!.Said.ShouldHaveSingleItem();
            var back = Editor.Apply(struck, new Unsay("s1", mending.Words)).Value.Sheet.FindStep("s1")!;
            back.Said.ShouldBeEmpty();
            back.Actions.ShouldAllBe(a => !a.IsSaid);
        }
    });
}
