using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using WornPath.Core.Workshops;

namespace WornPath.Formats.Tests;

/// <summary>What was written by the version before is read; what its words are called does not hang on the names of the program.</summary>
public class FormatVersionTests
{
    private static string Docs => Path.Combine(ProcedureFileTests.Demo, "..", "docs", "formats");

    private static byte[] Fixture(string name) => File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, "..", "tests", "fixtures", name));

    [Fact]
    public void A_file_of_the_version_before_is_read_whole_and_written_in_the_newest()
    {
        var old = JsonNode.Parse(Fixture("procedure-version-1.json"))!;
        var read = ProcedureFileText.Read(Fixture("procedure-version-1.json")).Value;
        read.Sheet.Reader.ShouldBe(1);
        read.Sheet.Steps.Select(s => s.Text).ShouldBe(old["sheet"]!["phases"]!.AsArray().SelectMany(p => p!["steps"]!.AsArray()).Select(s => (string?)s!["text"]));
        read.Sheet.Steps.ShouldAllBe(s => s.SentenceSays == null);
        read.Sheet.Steps.Count(s => s.Actions.Length > 0).ShouldBeGreaterThan(25);
        WalkSet.Run(read.Sheet, new Workshop()).Findings.ShouldAllBe(f => f.Severity < Severity.Stop);
        var written = JsonNode.Parse(ProcedureFileText.Write(read).Value)!;
        ((int)written["version"]!, (int)written["sheet"]!["reader"]!).ShouldBe((SheetFormat.Newest, 1));
    }

    [Fact]
    public void A_file_of_the_first_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-2.json")).Value;
        read.Sheet.Reader.ShouldBe(1);
        var step = read.Sheet.Steps.Single(s => s.Text.StartsWith("Torque the stud nuts to 24 lb-ft", StringComparison.Ordinal));
        step.Actions.Select(a => a.Verb).ShouldContain(Verb.Torque);
        read.Sheet.Steps.Count(s => s.Actions.Length > 0).ShouldBeGreaterThan(15);
        // Nothing it carried is lost: what differs is told, and both stand beside each other.
        read.Sheet.Steps.Where(s => s.SentenceSays is not null).ShouldAllBe(s => s.Actions.Length > 0);
    }

    [Fact]
    public void A_file_of_the_second_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-3.json")).Value;
        read.Sheet.Reader.ShouldBe(2);
        var later = read.Sheet.Steps.Single(s => s.Text.StartsWith("After fifty miles", StringComparison.Ordinal));
        later.Actions.ShouldHaveSingleItem().If.ShouldBeNull();
        later.SentenceSays.ShouldNotBeNull().ShouldEndWith(", After fifty miles");
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Undo the two guard bolts", StringComparison.Ordinal)).SentenceSays.ShouldBeNull();
        ((int)JsonNode.Parse(ProcedureFileText.Write(read).Value)!["version"]!).ShouldBe(SheetFormat.Newest);
    }

    [Fact]
    public void A_file_of_the_third_reader_keeps_its_authors_word_on_what_was_not_understood()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-4.json")).Value;
        read.Sheet.Reader.ShouldBe(3);
        var said = read.Sheet.Steps.Single(s => s.Text.StartsWith("Frob", StringComparison.Ordinal));
        said.Settled.ShouldBeEmpty();
        said.Said.ShouldHaveSingleItem().Words.ShouldBe("frob the plate gently");
        // It is read as before: the word holds.
        said.SentenceSays.ShouldBeNull();
        WornPath.Core.Editing.Editor.Apply(read.Sheet, new WornPath.Core.Editing.ReadSentence(said.Id)).Value.Sheet.FindStep(said.Id)!.Actions
            .Select(a => (a.Verb, a.Target, a.IsSaid)).ShouldBe([(Verb.Remove, "P1", true)]);
    }

    [Fact]
    public void A_file_of_the_fourth_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-5.json")).Value;
        read.Sheet.Reader.ShouldBe(4);
        var battery = read.Sheet.Steps.Single(s => s.Text == "Disconnect the battery.");
        battery.Actions.Select(a => a.Verb).ShouldBe([Verb.Remove]);
        battery.SentenceSays.ShouldBe("disconnect C1 battery leads");
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Undo the two rail bolts", StringComparison.Ordinal)).SentenceSays.ShouldBeNull();
        // Done only under its condition, and carried without it.
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Check the rail", StringComparison.Ordinal)).SentenceSays.ShouldNotBeNull();
        ((int)JsonNode.Parse(ProcedureFileText.Write(read).Value)!["version"]!).ShouldBe(SheetFormat.Newest);
    }

    [Fact]
    public void A_file_of_the_fifth_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-6.json")).Value;
        read.Sheet.Reader.ShouldBe(5);
        // Its names stay as they were written; the words that were short for them are met by the new reader all the same.
        read.Sheet.Parts.Select(p => p.Name).ShouldContain("inner brg");
        var bowl = read.Sheet.Steps.Single(s => s.Text.StartsWith("Spin the bowl on", StringComparison.Ordinal));
        bowl.Actions.Select(a => a.Verb).ShouldBe([Verb.Fit, Verb.Wait], "an eighth was taken for eight hours");
        bowl.SentenceSays.ShouldBe("fit P6 bowl");
        // What carries nothing is read.
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Inner brg in drum", StringComparison.Ordinal)).Actions.Select(a => (a.Verb, a.Target)).ShouldBe([(Verb.Fit, "P5")]);
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Undo the two cover bolts", StringComparison.Ordinal)).SentenceSays.ShouldBeNull();
        ((int)JsonNode.Parse(ProcedureFileText.Write(read).Value)!["version"]!).ShouldBe(SheetFormat.Newest);
    }

    [Fact]
    public void A_file_of_the_seventh_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-8.json")).Value;
        read.Sheet.Reader.ShouldBe(7);
        // What the helper does was read over; four bolts each of two covers were four of eight.
        var helper = read.Sheet.Steps.Single(s => s.Text.StartsWith("Hold the frame", StringComparison.Ordinal));
        helper.Actions.Select(a => (a.Verb, a.Target)).ShouldBe([(Verb.TakeOut, "J3")], "what carries nothing is read");
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Unbolt both covers",
            StringComparison.Ordinal)).SentenceSays.ShouldNotBeNull().ShouldContain("set aside P3 covers");
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Set the pump on", StringComparison.Ordinal)).SentenceSays.ShouldBeNull();
        read.Sheet.Joints[0].Fastener!.ToString().ShouldBe("M8×35 8.8 bolt, 13 mm");
        ((int)JsonNode.Parse(ProcedureFileText.Write(read).Value)!["version"]!).ShouldBe(SheetFormat.Newest);
    }

    [Fact]
    public void A_file_of_the_eighth_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-9.json")).Value;
        read.Sheet.Reader.ShouldBe(8);
        Step Of(string text) => read.Sheet.Steps.Single(s => s.Text.StartsWith(text, StringComparison.Ordinal));
        // "The old cover bolts" were taken for the new ones.
        Of("Take out the old").Actions.Select(a => (a.Verb, a.Target)).ShouldBe([(Verb.TakeOut, "J1")]);
        Of("Take out the old").SentenceSays.ShouldBe("take out J2 old cover bolts");
        // The second end that was raised had come to nothing: what carries nothing is read.
        Of("Raise the rear axle").Actions.Select(a => a.Verb).ShouldBe([Verb.Raise]);
        Of("Raise the left side").Questions.ShouldBeEmpty();
        Of("Torque the cover bolts").SentenceSays.ShouldBeNull();
    }

    [Fact]
    public void A_file_of_the_ninth_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-11.json")).Value;
        read.Sheet.Reader.ShouldBe(9);
        read.Sheet.Steps.ShouldAllBe(s => s.Source == null);
        Step Of(string text) => read.Sheet.Steps.Single(s => s.Text.StartsWith(text, StringComparison.Ordinal));
        // Fasteners nobody had named were taken for those in hand.
        Of("Lock the guard bolts").Actions.Select(a => (a.Verb, a.Target)).ShouldBe([(Verb.Lock, "J1")]);
        Of("Lock the guard bolts").SentenceSays.ShouldNotBeNull().ShouldStartWith("lock J3 guard bolts");
        // What carries nothing is read.
        Of("You will need to").Actions.Select(a => (a.Verb, a.Target)).ShouldBe([(Verb.Remove, "P1")]);
        Of("Remove the two cover bolts").SentenceSays.ShouldBeNull();
        ((int)JsonNode.Parse(ProcedureFileText.Write(read).Value)!["version"]!).ShouldBe(SheetFormat.Newest);
    }

    [Fact]
    public void A_file_of_the_sixth_reader_keeps_what_it_carries_and_says_where_its_sentences_are_read_otherwise_now()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-7.json")).Value;
        read.Sheet.Reader.ShouldBe(6);
        // The millilitres were a part that came off; the fluid is drawn now, and the author is shown.
        var drawn = read.Sheet.Steps.Single(s => s.Text.StartsWith("Draw 20 mL", StringComparison.Ordinal));
        drawn.Actions.Select(a => a.Verb).ShouldBe([Verb.Remove]);
        drawn.SentenceSays.ShouldBe("drain F1 brake fluid");
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Take out the pinch bolt",
            StringComparison.Ordinal)).SentenceSays.ShouldNotBeNull().ShouldContain("remove P2 spring leg");
        read.Sheet.Steps.Single(s => s.Text.StartsWith("Torque the guide pin bolts", StringComparison.Ordinal)).SentenceSays.ShouldBeNull();
        // What nobody had said becomes of a fastener: it goes back, as always.
        read.Sheet.Joints.ShouldAllBe(j => j.Becomes == JointFate.Refit && j.SupersededBy == null);
        var written = Encoding.UTF8.GetString(ProcedureFileText.Write(read).Value);
        written.ShouldNotContain("becomes");
        ((int)JsonNode.Parse(written)!["version"]!).ShouldBe(SheetFormat.Newest);
    }

    // The edit as version 4 logged it, and its undo.
    [Fact]
    public void An_edit_of_version_4_that_settled_what_a_clause_means_is_read_as_the_authors_word()
    {
        var delta = SheetFormat.ReadDelta<Delta>("""{"changes":[{"slot":"step","id":"s1","field":"settled","before":[{"phrase":"it","target":""}],"after":[{"phrase":"it","target":""},{"phrase":"frob it","target":"P1","verb":"remove"}]}]}"""u8, 4);
        var sheet = Sheet.Empty with
        {
            Phases = [new Phase { Id = "h", Name = "Work",
            Steps = [new Step { Id = "s1", Text = "Frob it.", Settled = [new Settlement("it", "")] }] }]
        };
        var after = delta.ApplyTo(sheet).Value;
        after.FindStep("s1")!.Settled.ShouldHaveSingleItem();
        after.FindStep("s1")!.Said.ShouldHaveSingleItem().Actions.ShouldHaveSingleItem().Verb.ShouldBe(Verb.Remove);
        delta.Inverse().ApplyTo(after).Value.FindStep("s1")!.Said.ShouldBeEmpty();
    }

    [Fact]
    public void What_a_later_program_wrote_is_refused_with_its_version() =>
        Should.Throw<NewerFormatException>(() => SheetFormat.Read("{}"u8, SheetFormat.Newest + 1)).Message.ShouldContain($"format version {SheetFormat.Newest + 1}");

    [Theory]
    [InlineData("front-hub-bearing.json", 10)]
    [InlineData("second-remote-valve.json", 11)]
    [InlineData("rear-wheel-spacers.json", 11)]
    public void A_file_of_a_version_before_says_the_same_without_what_is_new(string file, int version)
    {
        var read = ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, file))).Value;
        var former = JsonNode.Parse(ProcedureFileText.Write(read).Value)!;
        former["version"] = version;
        var sheet = former["sheet"]!;
        // Limits and amounts had no source.
        foreach (var element in sheet["fluids"]!.AsArray().Concat(sheet["phases"]!.AsArray().SelectMany(p => p!["steps"]!.AsArray()))) element!.AsObject().Remove("source");
        var again = ProcedureFileText.Read(Encoding.UTF8.GetBytes(former.ToJsonString())).Value;
        var without = read with
        {
            Sheet = read.Sheet with
            {
                Fluids = [.. read.Sheet.Fluids.Select(f => f with { Source = null })],
                Phases = [.. read.Sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(s => s with { Source = null })] })]
            }
        };
        ProcedureFileText.Write(again).Value.ShouldBe(ProcedureFileText.Write(without).Value);
    }

    [Fact]
    public void A_file_from_before_figures_is_read_whole_and_says_nothing_of_them()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-12.json")).Value;
        read.Sheet.Steps.Select(s => s.Text).First().ShouldBe("Remove the four plate bolts as shown in the figure and lower the plate.");
        read.Sheet.Steps.ShouldAllBe(s => s.Shows == null && s.SentenceSays == null);
        WalkSet.Run(read.Sheet, new Workshop()).Findings.Select(f => f.Rule).ShouldContain("FIG001");
        var written = Encoding.UTF8.GetString(ProcedureFileText.Write(read).Value);
        written.ShouldNotContain("\"shows\"");
        written.ShouldNotContain("\"pictures\"");
        ((int)JsonNode.Parse(written)!["version"]!).ShouldBe(SheetFormat.Newest);
    }

    [Fact]
    public void A_file_from_before_signatures_is_read_whole_and_has_none()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-13.json")).Value;
        read.Signatures.ShouldBeNull();
        read.Sheet.Steps.Count().ShouldBe(JsonNode.Parse(Fixture("procedure-version-13.json"))!["sheet"]!["phases"]!.AsArray().Sum(p =>
            p!["steps"]!.AsArray().Count));
        Encoding.UTF8.GetString(ProcedureFileText.Write(read).Value).ShouldNotContain("\"signatures\"");
    }

    [Fact]
    public void A_file_from_before_kept_values_has_values_of_its_own_and_one_with_them_comes_back()
    {
        var read = ProcedureFileText.Read(Fixture("procedure-version-14.json")).Value;
        var joint = read.Sheet.Joints.ShouldHaveSingleItem();
        (joint.Torque!.ToString(), joint.Source, joint.Stated, joint.Kept).ShouldBe(("24 N·m", "Sample workshop manual T28, 3rd ed., p. 61", StatedFor.Dry, null));
        read.Sheet.Steps.ShouldAllBe(s => s.SentenceSays == null);
        Encoding.UTF8.GetString(ProcedureFileText.Write(read).Value).ShouldNotContain("\"kept\"");
        var kept = read with { Sheet = read.Sheet with { Joints = [joint with { Kept = new KeptFrom("Tray cover bolts", 3) }] } };
        var written = ProcedureFileText.Write(kept).Value;
        ProcedureFileText.Read(written).Value.Sheet.Joints[0].Kept.ShouldBe(new KeptFrom("Tray cover bolts", 3));
        // Half a name is refused with its place, and nothing of the file is taken.
        var damaged = Encoding.UTF8.GetString(written).Replace("Tray cover bolts, v3", "Tray cover bolts", StringComparison.Ordinal);
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(damaged)).Problem!.ToString().ShouldContain("kept");
    }

    // Renaming a property or a word of an enumeration must not change what is stored: keep its name by an attribute, or raise the version and bring the old one up.
    [Fact]
    public void The_names_of_the_stored_format_are_those_that_were_published()
    {
        var names = new StringBuilder();
        foreach (var (root, type) in ((string, Type)[])[("sheet", typeof(Sheet)), ("delta", typeof(Delta)), ("workshop", typeof(Workshop))]) Add(names, root, SheetJson.Options.GetTypeInfo(type));
        names.ToString().ShouldBe(File.ReadAllText(Path.Combine(Docs, $"names-{SheetFormat.Newest}.txt")));
    }

    private static void Add(StringBuilder names, string path, JsonTypeInfo type)
    {
        if (Nullable.GetUnderlyingType(type.Type) is { } value) type = SheetJson.Options.GetTypeInfo(value);
        if (type.Type.IsEnum) names.Append(path).Append(": ").AppendJoin(" | ", Enum.GetValues(type.Type).Cast<object>().Select(v => JsonSerializer.SerializeToNode(v, type.Type, SheetJson.Options)!.ToString())).Append('\n');
        else if (type.Kind == JsonTypeInfoKind.Object)
            foreach (var property in type.Properties.Where(p => p.Get is not null
                && p.AttributeProvider?.GetCustomAttributes(typeof(JsonIgnoreAttribute),
                true) is not [JsonIgnoreAttribute { Condition: JsonIgnoreCondition.Always }]).OrderBy(p => p.Name, StringComparer.Ordinal)) Add(names,
                $"{path}.{property.Name}", SheetJson.Options.GetTypeInfo(property.PropertyType));
        else if (type.Kind == JsonTypeInfoKind.Enumerable) Add(names, path + "[]", SheetJson.Options.GetTypeInfo(type.Type.GetInterfaces().First(i => i.IsGenericType && i.GetGenericTypeDefinition() == typeof(IEnumerable<>)).GetGenericArguments()[0]));
        else if (type.Kind == JsonTypeInfoKind.Dictionary) Add(names, path + "{}", SheetJson.Options.GetTypeInfo(type.Type.GetInterfaces().First(i => i.IsGenericType && i.GetGenericTypeDefinition() == typeof(IReadOnlyDictionary<,>)).GetGenericArguments()[1]));
        else names.Append(path).Append('\n');
    }

    // Damage of the text, as somebody does it in an editor of her own: the actions stay as they were.
    [Theory]
    [InlineData("front-hub-bearing.json")]
    [InlineData("rear-wheel-spacers.json")]
    public void A_sentence_changed_in_a_file_is_found_at_its_step(string file)
    {
        var whole = ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(ProcedureFileTests.Demo, file))).Value;
        var sheet = whole.Sheet;
        var cases = 0;
        var steps = sheet.Steps.ToList();
        for (var i = 0; i < steps.Count; i++)
        {
            if (steps[i].Actions.IsEmpty) continue;
            var other = steps[(i + 7) % steps.Count].Text;
            if (Actions(steps[(i + 7) % steps.Count]) == Actions(steps[i])) continue;
            var damaged = sheet with { Phases = [.. sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(s => s.Id == steps[i].Id ? s with { Text = other } : s)] })] };
            var bytes = ProcedureFileText.Write(whole with { Sheet = damaged }).Value;
            var found = WalkSet.Run(ProcedureFileText.Read(bytes).Value.Sheet, new Workshop()).Findings.Where(f => f.Rule == "RED002").ToList();
            found.Select(f => f.StepNumber).Distinct().ShouldBe([i + 1]);
            found[0].Message.ShouldContain("The file says");
            cases++;
        }

        cases.ShouldBeGreaterThan(15);

        static string Actions(Step step) => string.Join(';', step.Actions.Select(a => $"{a.Verb} {a.Target} {a.Torque}"));
    }

    [Fact]
    public void Ten_thousand_parts_are_too_many_and_the_same_number_holds_both_ways()
    {
        Sheet Of(int parts) => Sheet.Empty with { Parts = [.. Enumerable.Range(1, parts).Select(i => new Part { Id = $"P{i}", Name = $"part {i}" })] };
        ProcedureFileText.Write(new ProcedureFile { Number = "X", Title = "X", Sheet = Of(10_000) }).Problem!.What.ShouldContain($"at most {SheetSize.MostThings:N0}");
        var json = Encoding.UTF8.GetBytes($$"""{"format":"wornpath-procedure","version":2,"number":"X","title":"X","sheet":{{Encoding.UTF8.GetString(SheetJson.Write(Of(10_000)))}}}""");
        ProcedureFileText.Read(json).Problem!.What.ShouldContain($"at most {SheetSize.MostThings:N0}");
        var most = ProcedureFileText.Write(new ProcedureFile { Number = "X", Title = "X", Sheet = Of(SheetSize.MostThings) });
        ProcedureFileText.Read(most.Value).Value.Sheet.Parts.Length.ShouldBe(SheetSize.MostThings);
    }
}
