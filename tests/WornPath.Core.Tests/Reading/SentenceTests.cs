using CsCheck;

namespace WornPath.Core.Tests.Reading;

public class SentenceTests
{
    private static Written Hub() => new Written()
        .Part("caliper").Part("brake disc").Part("dust cover").Part("front wheel").Part("oil seal").Part("hub")
        .Joint("caliper bolts", "95 N·m").Joint("wheel nuts", "130 N·m").Joint("hub nut", "", locking: "cotter pin").Joint("cover screws", "5 N·m").Joint("left guard screws").Joint("right guard screws")
        .Thing(ThingKind.Connection, "wheel speed lead").Thing(ThingKind.Fluid, "hydraulic oil").Thing(ThingKind.Aid, "axle stands").Thing(ThingKind.Aid, "wire hook").Thing(ThingKind.Aid, "rag")
        .Thing(ThingKind.Consumable, "medium threadlocker");

    // Every verb of the lexicon's job, in sentences of the trade.
    [Theory]
    [InlineData("Loosen the wheel nuts.", "loosen J2 wheel nuts")]
    [InlineData("Crack the wheel nuts loose.", "break loose J2 wheel nuts")]
    [InlineData("Break the hub nut loose with a long bar.", "break loose J3 hub nut")]
    [InlineData("Remove the two caliper bolts and hang the caliper from the spring with the wire hook.", "take out J1 caliper bolts; put in place A2 wire hook; hang aside P1 caliper with A2 wire hook")]
    [InlineData("Take out the caliper bolts.", "take out J1 caliper bolts")]
    [InlineData("Take the caliper bolts out.", "take out J1 caliper bolts")]
    [InlineData("Remove the caliper, the brake disc and the dust cover.", "remove P1 caliper; remove P2 brake disc; remove P3 dust cover")]
    [InlineData("Dismantle the hub and undo the cover screws.", "remove P6 hub; take out J4 cover screws")]
    [InlineData("Slide off the disc.", "remove P2 brake disc")]
    [InlineData("Lift the front wheel off and set it aside.", "remove P4 front wheel; set aside P4 front wheel")]
    [InlineData("Disconnect the wheel speed lead.", "disconnect C1 wheel speed lead")]
    [InlineData("Unplug the lead.", "disconnect C1 wheel speed lead")]
    [InlineData("Drain the hydraulic oil.", "drain F1 hydraulic oil")]
    [InlineData("Raise the front of the tractor.", "raise")]
    [InlineData("Jack up the tractor and support it on the axle stands.", "raise; put in place A1 axle stands; on stands")]
    [InlineData("Set the tractor on stands.", "put in place A1 axle stands; on stands")]
    [InlineData("Lower the tractor to the ground.", "lower")]
    [InlineData("Lower the tractor until the tyres just touch.", "lower until tyres touch")]
    [InlineData("Inspect the hub for scoring.", "inspect P6 hub")]
    [InlineData("Measure the brake disc.", "measure P2 brake disc")]
    [InlineData("Clean the threads.", "clean threads")]
    [InlineData("Apply medium threadlocker to the caliper bolts.", "apply J1 caliper bolts with K1 medium threadlocker")]
    [InlineData("Fit the new oil seal.", "fit new P5 oil seal")]
    [InlineData("Install the dust cover with the cover screws.", "fit P3 dust cover; start by hand J4 cover screws")]
    [InlineData("Put the front wheel back on.", "fit P4 front wheel")]
    [InlineData("Start both caliper bolts by hand.", "start by hand J1 caliper bolts")]
    [InlineData("Screw the hub nut in by hand.", "start by hand J3 hub nut")]
    [InlineData("Snug the wheel nuts in a star.", "snug J2 wheel nuts")]
    [InlineData("Torque the caliper bolts to 95 Nm.", "torque J1 caliper bolts to 95 N·m")]
    [InlineData("Tighten the caliper bolts to 70 lb-ft.", "torque J1 caliper bolts to 70 lbf·ft")]
    [InlineData("Torque the caliper bolts to 50 N·m, then 95 N·m.", "torque J1 caliper bolts to 50 N·m, then 95 N·m")]
    [InlineData("With the wheel on the ground, torque the wheel nuts to 130 N·m.", "torque J2 wheel nuts to 130 N·m")]
    [InlineData("Insert a new cotter pin in the hub nut.", "pin new J3 hub nut")]
    [InlineData("Pull the split pin from the hub nut and remove the hub nut.", "pull pin J3 hub nut; take out J3 hub nut")]
    [InlineData("Back off the hub nut 90°.", "back off J3 hub nut 90°")]
    [InlineData("Turn the hub nut on to the next slot.", "align slot J3 hub nut")]
    [InlineData("Stake the hub nut.", "stake J3 hub nut")]
    [InlineData("Mark the caliper bolts with paint.", "mark J1 caliper bolts")]
    [InlineData("Plug the wheel speed lead back in.", "connect C1 wheel speed lead")]
    [InlineData("Connect the lead.", "connect C1 wheel speed lead")]
    [InlineData("Fill the hydraulic oil to the line.", "fill F1 hydraulic oil")]
    [InlineData("Check the level of the hydraulic oil.", "check level F1 hydraulic oil")]
    [InlineData("Check the hydraulic oil level.", "check level F1 hydraulic oil")]
    [InlineData("Pump the brake pedal until it is hard.", "pump brakes")]
    [InlineData("Wait 10 minutes.", "wait 10 min")]
    [InlineData("Let the threadlocker cure for 2 h.", "wait 120 min")]
    [InlineData("Check the function of the brake.", "check function brake")]
    [InlineData("Press the brake pedal a few times until it is firm.", "pump brakes")]
    [InlineData("Pop off the dust cover.", "remove P3 dust cover")]
    [InlineData("Slip the front wheel over the studs.", "fit P4 front wheel")]
    [InlineData("Spin the wheel nuts on by hand.", "start by hand J2 wheel nuts")]
    [InlineData("Run the wheel nuts in finger-tight.", "start by hand J2 wheel nuts")]
    [InlineData("Refill with hydraulic oil.", "fill F1 hydraulic oil")]
    [InlineData("Fill the housing with hydraulic oil to the mark.", "fill F1 hydraulic oil")]
    [InlineData("Remove the cover screws to drain the hydraulic oil.", "take out J4 cover screws; drain F1 hydraulic oil")]
    [InlineData("Slide the rag under the hub.", "put in place A3 rag")]
    [InlineData("Back off the hub nut three-quarters of a turn.", "back off J3 hub nut 270°")]
    [InlineData("Stuff the rag into the bore.", "put in place A3 rag")]
    [InlineData("Take away the rag.", "take away A3 rag")]
    [InlineData("Replace the oil seal.", "remove P5 oil seal; fit new P5 oil seal")]
    // Plurals, articles, counts, misspellings, pronouns, capitals.
    [InlineData("REMOVE ALL CALIPER BOLTS", "take out J1 caliper bolts")]
    [InlineData("Remove the calliper.", "remove P1 caliper")]
    [InlineData("Remove the calipr bolt.", "take out J1 caliper bolts")]
    [InlineData("Remove the brake disc and clean it.", "remove P2 brake disc; clean P2 brake disc")]
    [InlineData("Fit the caliper bolts and torque them to 95 N·m.", "start by hand J1 caliper bolts; torque J1 caliper bolts to 95 N·m")]
    [InlineData("Carefully remove J1.", "take out J1 caliper bolts")]
    [InlineData("Remove the left guard screws.", "take out J5 left guard screws")]
    public void A_sentence_is_read_into_what_is_done(string sentence, string read)
    {
        var sheet = Hub().Steps(sentence);
        sheet.Chips(1).ShouldBe(read);
        sheet.Step(1).Questions.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("Keep the disc clean.")]
    [InlineData("Do not remove the hub.")]
    [InlineData("Park the tractor on level ground.")]
    [InlineData("The hub nut is important.")]
    [InlineData("Never loosen the hub nut here.")]
    public void What_changes_nothing_is_words(string sentence)
    {
        var sheet = Hub().Steps(sentence);
        sheet.Step(1).Actions.ShouldBeEmpty();
        sheet.Step(1).Questions.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("Remove the guard screws.", QuestionKind.Several, "guard screws")]
    [InlineData("Torque to 95 N·m.", QuestionKind.NoObject, "torque")]
    [InlineData("Torque the disc.", QuestionKind.WrongKind, "disc")]
    [InlineData("Torque the caliper bolts to 45 N·m.", QuestionKind.OtherValue, "45 n·m for j1")]
    [InlineData("Torque the caliper bolts to 45 bananas.", QuestionKind.BadValue, "45 bananas")]
    [InlineData("Torque the caliper bolts to 90000 N·m.", QuestionKind.BadValue, "90000 n·m")]
    [InlineData("Frobnicate the hub.", QuestionKind.Unclear, "frobnicate the hub")]
    [InlineData("Slide the hub.", QuestionKind.Unclear, "slide the hub")]
    [InlineData("Loosen some of the caliper bolts.", QuestionKind.PartOf, "some of the caliper bolts")]
    [InlineData("Lower the platform.", QuestionKind.VehicleMoves, "platform")]
    public void What_the_reading_is_not_sure_of_it_asks(string sentence, QuestionKind kind, string phrase)
    {
        var question = Hub().Steps(sentence).Step(1).Questions.ShouldHaveSingleItem();
        question.Kind.ShouldBe(kind);
        question.Phrase.ShouldBe(phrase);
    }

    [Fact]
    public void Every_answer_to_every_question_settles_it()
    {
        foreach (var sentence in (string[])["Frobnicate the hub.", "Loosen some of the caliper bolts.", "Remove the guard screws.", "Torque the caliper bolts to 45 N·m.", "Lower the platform.", "Torque to 95 N·m.", "Torque the caliper bolts to 45 bananas.", "Torque the disc."])
        {
            var asked = Hub().Steps(sentence);
            var question = asked.Step(1).Questions.ShouldHaveSingleItem();
            foreach (var (label, edit) in Asking.Answers(question, asked.Step(1), asked.Sheet))
            {
                var settled = Editor.Apply(asked.Sheet, edit);
                settled.IsGood.ShouldBeTrue($"{sentence}: {label}: {settled.Problem}");
                settled.Value.Sheet.Steps.First().Questions.ShouldNotContain(q => q.Kind == question.Kind && q.Phrase == question.Phrase, $"{sentence}: {label}");
            }
        }
    }

    [Theory]
    [InlineData("Remove the two bracket bolts.", "J1 bracket bolts", 2)]
    [InlineData("Remove both bracket bolts.", "J1 bracket bolts", 2)]
    [InlineData("Remove the 12 bracket bolts.", "J1 bracket bolts", 12)]
    [InlineData("Remove the old eight bracket bolts.", "J1 bracket bolts", 8)]
    [InlineData("Remove two of the bracket bolts.", "J1 bracket bolts", 2)]
    [InlineData("Remove all of the bracket bolts.", "J1 bracket bolts", 1)]
    [InlineData("Remove a bracket bolt.", "J1 bracket bolt", 1)]
    [InlineData("Remove the caliper bracket.", "P1 caliper bracket", 1)]
    [InlineData("Unplug the wear lead.", "C1 wear lead", 1)]
    [InlineData("Drain the gear oil.", "F1 gear oil", 1)]
    [InlineData("Put the bucket under the valve.", "A1 bucket", 1)]
    [InlineData("Set the parking brake.", "L1 parking brake", 1)]
    public void A_name_the_sheet_does_not_have_is_assumed_and_shown(string said, string label, int count)
    {
        var sheet = new Written().Steps(said);
        sheet.Step(1).Questions.ShouldBeEmpty();
        var thing = sheet.Sheet.Things.ShouldHaveSingleItem();
        thing.Label.ShouldBe(label);
        thing.Assumed.ShouldBeTrue();
        (thing switch { Joint j => j.Count, Part p => p.Quantity, _ => 1 }).ShouldBe(count);
    }

    [Fact]
    public void A_name_that_is_mended_or_goes_leaves_nothing_behind()
    {
        var sheet = new Written().Steps("Remove the bracket bol.", "Start the bracket bolts by hand.");
        sheet.Do(new WriteStep(sheet.Step(1).Id, "Remove the bracket bol.", "Remove the bracket bolts."));
        sheet.Sheet.Things.ShouldHaveSingleItem().Name.ShouldBe("bracket bolts");
        sheet.Chips(1).ShouldStartWith("take out J");
        sheet.Chips(2).ShouldStartWith("start by hand J");
        sheet.Do(new RemoveStep(sheet.Step(2).Id, sheet.Step(2).Text)).Do(new WriteStep(sheet.Step(1).Id, sheet.Step(1).Text, "Clean the bench."));
        sheet.Sheet.Things.ShouldBeEmpty();
        // What somebody has looked at stays.
        sheet.Steps("Remove the strap bolts.").Set("strap bolts", "count", "2");
        sheet.Do(new RemoveStep(sheet.Step(2).Id, sheet.Step(2).Text));
        sheet.Sheet.Things.ShouldHaveSingleItem().Assumed.ShouldBeFalse();
    }

    [Fact]
    public void A_name_typed_letter_by_letter_keeps_its_number()
    {
        var sheet = new Written().Steps("R");
        for (var n = 2; n <= "Remove the bracket bolts.".Length; n++) sheet.Do(new WriteStep(sheet.Step(1).Id, sheet.Step(1).Text, "Remove the bracket bolts."[..n]));
        sheet.Chips(1).ShouldBe("take out J1 bracket bolts");
        sheet.Sheet.Things.Count().ShouldBe(1);
    }

    [Theory]
    [InlineData("Loosen each of the four cover bolts.", "loosen J1 cover bolts")]
    [InlineData("Loosen all of the cover bolts.", "loosen J1 cover bolts")]
    [InlineData("Loosen four of the cover bolts.", "loosen J1 cover bolts")]
    [InlineData("Loosen two of the cover bolts.", "loosen 2 of J1 cover bolts")]
    [InlineData("Loosen 3 of the 4 cover bolts.", "loosen 3 of J1 cover bolts")]
    [InlineData("Loosen one of the cover bolts.", "loosen 1 of J1 cover bolts")]
    [InlineData("Loosen all but one of the cover bolts.", "loosen 3 of J1 cover bolts")]
    [InlineData("Loosen the rest of the cover bolts.", "loosen the rest of J1 cover bolts")]
    [InlineData("Loosen the other two cover bolts.", "loosen the rest of J1 cover bolts")]
    public void A_set_is_done_whole_or_so_many_of_it(string said, string read) =>
        new Written().Joint("cover bolts", "22 N·m").Set("cover bolts", "count", "4").Steps(said).Chips(1).ShouldBe(read);

    [Fact]
    public void A_stated_value_becomes_the_joints_where_it_has_none_and_follows_while_it_is_written()
    {
        var sheet = Hub().Steps("Torque the hub nut to 40 N·m");
        sheet.Set("hub nut", "source", "");
        var step = sheet.Step(1);
        sheet.Do(new WriteStep(step.Id, step.Text, "Torque the hub nut to 40 N·m + 90°"));
        sheet.Step(1).Questions.ShouldBeEmpty();
        ((Joint)sheet.Sheet.Find("J3")!).Torque!.ToString().ShouldBe("40 N·m + 90°");
    }

    [Fact]
    public void A_renamed_thing_is_still_found_by_its_former_name()
    {
        var sheet = Hub().Set("caliper bolts", "name", "caliper carrier screws").Steps("Remove the caliper bolts.");
        sheet.Chips(1).ShouldBe("take out J1 caliper carrier screws");
    }

    [Fact]
    public void A_number_belongs_to_the_name_that_has_it_and_is_a_count_elsewhere()
    {
        var sheet = new Written().Part("cover 1").Part("cover 2").Joint("cover 2 bolts").Steps("Remove the 4 cover 2 bolts and cover 2.", "Remove covers.");
        sheet.Chips(1).ShouldBe("take out J1 cover 2 bolts; remove P2 cover 2");
        sheet.Chips(2).ShouldBe("remove P3 covers");
    }

    [Fact]
    public void Any_text_is_read_without_a_fault() => Gen.String[0, 300].Sample(text =>
    {
        var sheet = Hub();
        var applied = Editor.Apply(sheet.Sheet, new InsertStep("s1", "h1", null, text));
        if (!applied.IsGood) applied.Problem!.WhatToDo.ShouldNotBeEmpty();
    });

    [Fact]
    public void Words_of_the_lexicon_in_any_order_are_read_without_a_fault()
    {
        string[] words = ["remove", "the", "caliper", "bolts", "and", ",", "to", "95", "N·m", "them", "it", "hang", "torque", "off", "out", "all", "two", "new", "cotter", "pin", ".", "with", "from", "not", "pass", "first", "90°", "lower", "support", "stands", "of", "level", "check", "function"];
        Gen.Int[0, words.Length - 1].Select(i => words[i]).Array[1, 14].Sample(chosen =>
        {
            var sheet = Hub();
            var applied = Editor.Apply(sheet.Sheet, new InsertStep("s1", "h1", null, string.Join(' ', chosen)));
            applied.IsGood.ShouldBeTrue();
            foreach (var action in applied.Value.Sheet.Steps.Single().Actions)
            {
                action.At.End.ShouldBeLessThanOrEqualTo(applied.Value.Sheet.Steps.Single().Text.Length);
                if (action.Target is { } id) applied.Value.Sheet.Find(id).ShouldNotBeNull();
            }
        });
    }

    [Fact]
    public void A_name_spelled_to_the_letter_is_meant_however_near_another_comes()
    {
        var sheet = new Written().Part("inner plate").Part("inter plate").Steps("Remove the inter plate.", "Remove the innner plate.");
        sheet.Chips(1).ShouldBe("remove P2 inter plate");
        sheet.Step(1).Questions.ShouldBeEmpty();
        sheet.Chips(2).ShouldBe("remove P1 inner plate", "one slip from the one, two from the other");
    }
}
