using WornPath.Core.Workshops;
using System.Text;

namespace WornPath.Formats.Tests;

public class ProcedureFileTests
{
    internal static readonly string Demo = Path.Combine(Root(), "demo");

    public static TheoryData<string> Files => [.. Directory.GetFiles(Demo, "*.json").Select(f => Path.GetFileName(f))];

    private static string Root()
    {
        for (var folder = new DirectoryInfo(AppContext.BaseDirectory); folder is not null; folder = folder.Parent)
            if (File.Exists(Path.Combine(folder.FullName, "WornPath.slnx"))) return folder.FullName;
        throw new InvalidOperationException("The tests run outside their checkout.");
    }

    private static ProcedureFile Read(string file) => ProcedureFileText.Read(File.ReadAllBytes(Path.Combine(Demo, file))).Value;

    private static Problem Refused(string json) => ProcedureFileText.Read(Encoding.UTF8.GetBytes(json)).Problem.ShouldNotBeNull();

    [Theory]
    [MemberData(nameof(Files))]
    public void A_file_is_the_same_after_writing_and_reading(string file)
    {
        var once = ProcedureFileText.Write(Read(file)).Value;
        var twice = ProcedureFileText.Write(ProcedureFileText.Read(once).Value).Value;
        Encoding.UTF8.GetString(twice).ShouldBe(Encoding.UTF8.GetString(once));
    }

    [Fact]
    public void The_finished_procedure_is_large_enough_and_clean()
    {
        var sheet = Read("front-hub-bearing.json").Sheet;
        sheet.Steps.Count().ShouldBeGreaterThanOrEqualTo(20);
        sheet.Joints.Length.ShouldBeGreaterThanOrEqualTo(8);
        WalkSet.Run(sheet, new Workshop { Crib = CribCsv.Read(File.ReadAllText(Path.Combine(Demo, "crib.csv"))).Value }).Findings.ShouldBeEmpty();
        sheet.Joints.ShouldAllBe(j => j.Torque == null || j.Source.Length > 0);
    }

    [Fact]
    public void The_spacers_have_sides_variants_a_plan_B_a_table_and_a_torque_put_off_and_are_clean_in_every_combination()
    {
        var walks = WalkSet.Run(Read("rear-wheel-spacers.json").Sheet, new Workshop { Crib = CribCsv.Read(File.ReadAllText(Path.Combine(Demo, "crib.csv"))).Value });
        walks.Findings.Select(f => $"{f.Rule} {f.StepNumber} {f.Said}").ShouldBeEmpty();
        // Two kinds of wheels, two sides, a plan B and a stud that is too short.
        walks.All.Length.ShouldBe(16);
        walks.Sheet.Steps.ShouldContain(s => s.Table != null);
        // Snugged in one step, torqued two steps on.
        var clamp = walks.First.EventsOf("J5").Select(e => (e.Action.Verb, e.StepIndex)).ToList();
        clamp.ShouldContain(e => e.Verb == Verb.Snug);
        clamp.Single(e => e.Verb == Verb.Torque).StepIndex.ShouldBeGreaterThan(clamp.Single(e => e.Verb == Verb.Snug).StepIndex + 1);
    }

    [Fact]
    public void The_mistakes_of_the_draft_are_found_where_they_are_made()
    {
        var found = WalkSet.Run(Read("loader-brackets.json").Sheet, new Workshop { Crib = CribCsv.Read(File.ReadAllText(Path.Combine(Demo, "crib.csv"))).Value }).Findings.Select(f => $"{f.Rule} {f.StepNumber}");
        found.ShouldBe(["HAZ007 2", "HAZ001 3", "ORD001 5", "CLO004 9", "CLO002 12", "ORD002 13", "TRQ001 13", "SRC001 14", "PRT001 15", "TRQ003 17",
            "TRQ005 19", "THR001 20", "THR005 20", "TRQ006 20", "TRQ007 21", "TRQ002 22", "WRD007 4", "WRD004 11", "HAZ003 21", "TRQ017 22"],
            ignoreOrder: true);
    }

    [Theory]
    [InlineData("front-hub-bearing.json", "h2")]
    [InlineData("second-remote-valve.json", "h1")]
    [InlineData("rear-wheel-spacers.json", "h2")]
    public void The_refit_proposed_from_a_removal_of_the_demo_walks_without_a_stop(string file, string phase)
    {
        var sheet = Read(file).Sheet;
        // Taken off, and nothing written yet of how it goes on again.
        sheet = sheet with { Phases = [.. sheet.Phases.Take(sheet.Phases.ToList().FindIndex(p => p.Id == phase) + 1)] };
        var built = Editor.Apply(sheet, Core.Building.ReverseBuilder.EditFor(WalkSet.Run(sheet, Workshop.Default).Whole, phase)!).Value.Sheet;
        WalkSet.Run(built, Workshop.Default).Findings.Where(f => f.Severity == Severity.Stop).Select(f => $"{f.StepNumber}: {f.Rule} {f.Message}").ShouldBeEmpty();
        built.Steps.SelectMany(s => s.Questions).ShouldBeEmpty();
    }

    [Fact]
    public void Every_way_to_cut_a_file_off_is_said_to_be_that()
    {
        var whole = File.ReadAllBytes(Path.Combine(Demo, "second-remote-valve.json"));
        for (var length = 1; length < whole.Length - 3; length += 97)
        {
            var problem = ProcedureFileText.Read(whole.AsMemory(0, length)).Problem.ShouldNotBeNull($"cut at {length}");
            problem.ToString().ShouldContain("cut off", Case.Insensitive, $"cut at {length}");
        }
    }

    [Theory]
    [InlineData("", "is empty")]
    [InlineData(" \n", "is empty")]
    [InlineData("name,min,max", "cannot be read: ")]
    [InlineData("[]", "not a procedure file")]
    [InlineData("{}", "not a procedure file")]
    [InlineData("""{"format":"wornpath-procedure"}""", "format version")]
    [InlineData("""{"format":"wornpath-procedure","version":99,"later":{"things":[1,2]}}""", "format version 99; this program reads up to version 15")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"title":"x"}""", "cannot be read")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","colour":"red"}""", "colour")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":" "}""", "title is empty")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","sheet":{"parts":[{"id":"P1","name":"lid"},{"id":"P1","name":"cap"}]}}""", "P1 stands twice")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","sheet":{"parts":[{"id":"P1","name":"lid"},{"id":"P2","name":"the lid"}]}}""", "already the name of")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","sheet":{"parts":[{"id":"Q1","name":"lid"}]}}""", "no id of a part")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","sheet":{"joints":[{"id":"J1","name":"bolts","torque":"-4 N·m"}]}}""", "cannot be set")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","sheet":{"joints":[{"id":"J1","name":"bolts","holds":["P7"]}]}}""", "no part has this id")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","sheet":{"phases":[{"id":"h","name":"x","steps":[{"id":"s","text":"x","actions":[{"verb":"fit","target":"P9"}]}]}]}}""", "P9, which is not on the sheet")]
    [InlineData("""{"format":"wornpath-procedure","version":1,"number":"1","title":"x","sheet":{"phases":[{"id":"h","name":"x","steps":[{"id":"s","text":"a"},{"id":"s","text":"b"}]}]}}""", "step id s stands twice")]
    public void A_bad_file_says_what_where_and_what_to_do(string json, string says)
    {
        var problem = Refused(json);
        problem.ToString().ShouldContain(says);
        problem.WhatToDo.ShouldNotBeEmpty();
    }

    [Fact]
    public void A_syntax_error_names_its_line() => Refused("{\n\"format\":\"wornpath-procedure\",\n\"version\":1,\n\"number\": oops }").Where.ShouldNotBeNull().ShouldContain("line 4");

    // What sits on what, by the table and by words: saved and read again, the same is walked.
    [Fact]
    public void What_sits_on_a_part_comes_back_from_a_file()
    {
        var sheet = Sheet.Empty;
        void Do(Edit edit) => sheet = Editor.Apply(sheet, edit).Value.Sheet;
        Do(new InsertPhase("h1", null, "Work"));
        foreach (var name in new[] { "knuckle", "hub", "snap ring" }) Do(new AddThing(ThingKind.Part, name, false));
        Do(new SetField("P3", "sitsOn", "", "hub"));
        foreach (var text in new[] { "Lift the knuckle off, with the hub in it.", "Press the hub out of the knuckle." }) Do(new InsertStep(null, "h1", sheet.Steps.LastOrDefault()?.Id, text));
        sheet.Steps.Select(s => string.Join("; ", s.Actions.Select(a => $"{a.Verb} {a.Target} {a.Host}".Trim()))).ShouldBe(["Carry P2 P1; Remove P1", "Remove P2 P1"]);
        var bytes = ProcedureFileText.Write(new ProcedureFile { Number = "1", Title = "Bench", Sheet = sheet }).Value;
        var written = Encoding.UTF8.GetString(bytes);
        written.ShouldContain("\"sitsOn\": \"P2\"");
        written.ShouldContain("\"host\": \"P1\"");
        var read = ProcedureFileText.Read(bytes).Value.Sheet;
        read.Steps.ShouldAllBe(s => s.SentenceSays == null);
        read.Steps.SelectMany(s => s.Actions).ShouldBe(sheet.Steps.SelectMany(s => s.Actions));
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(written.Replace("\"sitsOn\": \"P2\"", "\"sitsOn\": \"P9\"", StringComparison.Ordinal))).Problem!.What.ShouldContain("P9");
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(written.Replace("\"sitsOn\": \"P2\"", "\"sitsOn\": \"P3\"",
            StringComparison.Ordinal))).Problem!.What.ShouldContain("P3 sits on itself");
    }

    // Sides, the steps that are repeated, and what locks a joint: saved and read again, the file says all of it and is walked alike.
    [Fact]
    public void Sides_repeats_and_locks_come_back_from_a_file_as_they_were()
    {
        var sheet = Sheet.Empty;
        void Do(Edit edit) => sheet = Editor.Apply(sheet, edit).Value.Sheet;
        Do(new InsertPhase("h1", null, "Work"));
        Do(new AddThing(ThingKind.Part, "wheel", false));
        Do(new AddThing(ThingKind.Joint, "guard bolts", false));
        Do(new SetField("J1", "locking", "none", "locking wire"));
        foreach (var text in new[] { "Lift the wheel off.", "Cut the locking wire. Remove the guard bolts.", "Repeat steps 1 to 2 on the right-hand side.", "Fit the left-hand wheel." })
            Do(new InsertStep(null, "h1", sheet.Steps.LastOrDefault()?.Id, text));
        sheet.Steps.Select(s => string.Join("; ", s.Actions.Select(a => $"{a.Verb} {a.Side} {a.Steps}".Trim()))).ShouldBe(["Remove", "Unlock; TakeOut", "Repeat Right 1–2", "Fit Left"]);
        var bytes = ProcedureFileText.Write(new ProcedureFile { Number = "1", Title = "Both sides", Sheet = sheet }).Value;
        var written = Encoding.UTF8.GetString(bytes);
        written.ShouldContain("\"side\": \"right\"");
        written.ShouldContain("\"steps\": \"1–2\"");
        written.ShouldContain("\"locking\": \"locking wire\"");
        written.ShouldNotContain("~", customMessage: "the second ones are the walk's and stand in no file");
        var read = ProcedureFileText.Read(bytes).Value.Sheet;
        read.Steps.ShouldAllBe(s => s.SentenceSays == null);
        read.Steps.SelectMany(s => s.Actions).ShouldBe(sheet.Steps.SelectMany(s => s.Actions));
        WalkSet.Run(read, Workshop.Default).Findings.Select(f => (f.Key, f.Said)).ShouldBe(WalkSet.Run(sheet, Workshop.Default).Findings.Select(f => (f.Key, f.Said)));
    }

    [Fact]
    public void A_file_that_names_steps_that_cannot_be_is_refused_where_it_says_so()
    {
        var sheet = Sheet.Empty with { Phases = [new Phase { Id = "h", Name = "Work", Steps = [new Step { Id = "s", Text = "Repeat on the right.", Actions = [new StepAction { Verb = Verb.Repeat, Side = Side.Right, Steps = StepNumbers.Of([(1, 2)]) }] }] }] };
        var text = Encoding.UTF8.GetString(ProcedureFileText.Write(new ProcedureFile { Number = "1", Title = "x", Sheet = sheet }).Value);
        foreach (var bad in new[] { "2–1", "0", "x" })
            ProcedureFileText.Read(Encoding.UTF8.GetBytes(text.Replace("1–2", bad, StringComparison.Ordinal))).Problem!.ToString().ShouldContain("names no steps");
        ProcedureFileText.Read(Encoding.UTF8.GetBytes(text.Replace("\"side\": \"right\"", "\"side\": \"up\"", StringComparison.Ordinal))).IsGood.ShouldBeFalse();
    }
}
