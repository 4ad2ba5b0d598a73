using System.Text.Json;
using WornPath.Cli;

namespace WornPath.Formats.Tests;

public class CheckCommandTests
{
    private static async Task<(int Code, string Output, string Trouble)> CheckAsync(string file, string format = "text", bool withCrib = false)
    {
        var (output, trouble) = (new StringWriter(), new StringWriter());
        var demo = ProcedureFileTests.Demo;
        var code = await CheckCommand.RunAsync(new FileInfo(Path.Combine(demo, file)), format, withCrib ? new FileInfo(Path.Combine(demo, "crib.csv")) : null, output, trouble);
        return (code, output.ToString(), trouble.ToString());
    }

    [Fact]
    public async Task The_exit_code_says_how_grave_it_is()
    {
        (await CheckAsync("front-hub-bearing.json")).Code.ShouldBe(0);
        (await CheckAsync("loader-brackets.json")).Code.ShouldBe(2);
        var bad = await CheckAsync("crib.csv");
        (bad.Code, bad.Output).ShouldBe((3, ""));
        bad.Trouble.ShouldContain("cannot be read");
        (await CheckAsync("nothing.json")).ShouldSatisfyAllConditions(c => c.Code.ShouldBe(3), c => c.Trouble.ShouldContain("nothing.json"));
    }

    [Fact]
    public async Task Text_names_step_severity_rule_and_message()
    {
        var (_, text, _) = await CheckAsync("loader-brackets.json", withCrib: true);
        text.ShouldContain("step 21  warn  TRQ007  No torque wrench of the crib covers 320 N·m");
        text.TrimEnd().ShouldEndWith("23 steps, 11 stops, 7 warnings, 2 hints");
    }

    [Fact]
    public async Task Json_and_sarif_hold_the_same_findings()
    {
        var json = JsonDocument.Parse((await CheckAsync("loader-brackets.json", "json")).Output).RootElement.GetProperty("findings").EnumerateArray().ToList();
        var sarif = JsonDocument.Parse((await CheckAsync("loader-brackets.json", "sarif")).Output).RootElement;
        sarif.GetProperty("version").GetString().ShouldBe("2.1.0");
        var run = sarif.GetProperty("runs").EnumerateArray().Single();
        var rules = run.GetProperty("tool").GetProperty("driver").GetProperty("rules").EnumerateArray().Select(r => r.GetProperty("id").GetString()).ToList();
        var results = run.GetProperty("results").EnumerateArray().ToList();
        results.Select(r => r.GetProperty("ruleId").GetString()).ShouldBe(json.Select(f => f.GetProperty("id").GetString()));
        results.ShouldAllBe(r => rules[r.GetProperty("ruleIndex").GetInt32()] == r.GetProperty("ruleId").GetString());
        results.Select(r => r.GetProperty("level").GetString()).Distinct().Order().ShouldBe(["error", "note", "warning"]);
        results.ShouldAllBe(r => r.GetProperty("message").GetProperty("text").GetString()!.Length > 0);
    }

    [Fact]
    public async Task A_finding_of_one_side_alone_says_so_in_every_format()
    {
        var file = ProcedureFileText.Read(await File.ReadAllBytesAsync(Path.Combine(ProcedureFileTests.Demo, "rear-wheel-spacers.json"))).Value;
        var lead = file.Sheet.Steps.Single(s => s.Text == "Left: connect the speed lead.");
        var path = Path.Combine(Directory.CreateTempSubdirectory("wornpath-check-").FullName, "spacers.json");
        await File.WriteAllBytesAsync(path, ProcedureFileText.Write(file with { Sheet = Editor.Apply(file.Sheet, new RemoveStep(lead.Id, lead.Text)).Value.Sheet }).Value);
        (await CheckAsync(path, withCrib: true)).Output.ShouldContain("C1 speed lead");
        var text = (await CheckAsync(path, withCrib: true)).Output;
        text.ShouldContain("(For left.)");
        var json = JsonDocument.Parse((await CheckAsync(path, "json")).Output).RootElement.GetProperty("findings").EnumerateArray().Single(f => f.GetProperty("id").GetString() == "CLO005");
        (json.GetProperty("for").GetString(), json.GetProperty("step").GetInt32()).ShouldBe(("left", 6));
        (await CheckAsync(path, "sarif")).Output.ShouldContain("(For left.)");
        Directory.Delete(Path.GetDirectoryName(path)!, recursive: true);
    }
}
