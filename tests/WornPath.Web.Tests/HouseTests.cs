using System.Net;
using System.Net.Http.Json;
using WornPath.Core.Building;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>House rules, blocks, the chart and what is in hand, through the API.</summary>
public sealed class HouseTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static async Task<WorkshopEndpoints.WorkshopView> PutRulesAsync(Somebody keeper, Func<HouseRules, HouseRules> change)
    {
        var now = await keeper.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        var answer = await keeper.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Rules: change(now.Rules)), SheetJson.Options);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<WorkshopEndpoints.WorkshopView>(SheetJson.Options))!;
    }

    [Fact]
    public async Task A_changed_rule_shows_the_drafts_it_touches_and_leaves_what_is_released_as_it_was()
    {
        Somebody admin = await workshop.As("admin"), ines = await workshop.As("ines");
        var released = (await ines.RevisionAsync(3)).Sheet.Findings!.Value;
        var now = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        var stricter = now.Rules with { Severities = now.Rules.Severities.SetItem("WRD007", Severity.Warn), Terms = now.Rules.Terms.Add(new Term("hub", "nave")) };
        var preview = await PreviewAsync(admin, new WorkshopEndpoints.SettingsForm(now.Version, Rules: stricter));
        var loader = preview.Touched.Single(t => t.RevisionId == 1);
        loader.Comes.ShouldContain("WRD007 step 4, warn");
        loader.Goes.ShouldContain("WRD007 step 4, hint");
        // Looked at, and nothing done yet.
        (await ines.RevisionAsync(1)).Sheet.Findings!.Value.Single(f => f.Rule == "WRD007").Severity.ShouldBe(Severity.Hint);

        await PutRulesAsync(admin, _ => stricter);
        (await ines.RevisionAsync(1)).Sheet.Findings!.Value.Single(f => f.Rule == "WRD007").Severity.ShouldBe(Severity.Warn);
        // The front hub says "hub" in every other step, and was released before.
        (await ines.RevisionAsync(3)).Sheet.Findings!.Value.Length.ShouldBe(released.Length);
        await ines.PostAsync("/api/revisions/3/revise");
        var next = (await ines.RevisionAsync(3)).Revisions.Max(r => r.Id);
        (await ines.RevisionAsync(next)).Sheet.Findings!.Value.ShouldContain(f => f.Rule == "WRD008");
        await PutRulesAsync(admin, _ => now.Rules);
    }

    private static async Task<WorkshopEndpoints.PreviewView> PreviewAsync(Somebody keeper, WorkshopEndpoints.SettingsForm form)
    {
        var answer = await keeper.PostAsync("/api/workshop/preview?examples=true", form);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<WorkshopEndpoints.PreviewView>(SheetJson.Options))!;
    }

    [Fact]
    public async Task Each_rule_shows_at_once_what_it_does_on_a_sheet()
    {
        var admin = await workshop.As("admin");
        var now = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        async Task<Dictionary<string, string>> SaysAsync(HouseRules rules) =>
            (await PreviewAsync(admin, new WorkshopEndpoints.SettingsForm(now.Version, Rules: rules))).Examples.ToDictionary(e => e.Rule, e => $"{e.Sheet} {e.Says}");
        var usual = await SaysAsync(now.Rules);
        foreach (var setting in (string[])["target", "treated", "nutFactors", "scatter", "passes", "shopCelsius", "calibration"]) usual.ShouldContainKey(setting);
        var other = await SaysAsync(now.Rules with { Target = Core.Quantities.RangeTarget.Low, ManyPasses = [25, 100], FewPasses = [25, 100], ShopCelsius = 5, Scatter = 0.4, CalibrationMonths = 6 });
        foreach (var setting in (string[])["target", "scatter", "passes", "shopCelsius", "calibration"]) other[setting].ShouldNotBe(usual[setting], setting);
        usual["school:wheelFasteners"].ShouldContain("it prints “Snug in the air, final torque with the tyre just touching the ground.”");

        // The school that is chosen says what it finds and the other would not.
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("H-0");
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0];
        await ines.EditAsync(id, new Core.Editing.AddFilled(ThingKind.Part, "cover", []));
        foreach (var joint in (string[])["front bolt", "rear bolt"]) await ines.EditAsync(id, new Core.Editing.AddFilled(ThingKind.Joint, joint, [new("holds", "cover"), new("torque", "24 N·m")]));
        await ines.EditAsync(id, new Core.Editing.WriteStep(phase.Steps.Single(), "", "Remove the front bolt, the rear bolt and the cover. Fit the cover. Start the front bolt and torque it to 24 N·m. Start the rear bolt and torque it to 24 N·m."));
        usual = await SaysAsync(now.Rules);
        usual["school:whenToTorque"].ShouldStartWith("H-0 step 1: J1 front bolt gets its final torque here");
        usual["school:whenToTorque"].ShouldEndWith("With “as fitted” that is not found.");
    }

    [Fact]
    public async Task A_stop_is_not_lowered_and_a_school_must_be_one()
    {
        var admin = await workshop.As("admin");
        var now = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        foreach (var bad in (HouseRules[])[now.Rules with { Severities = now.Rules.Severities.SetItem("CLO001", Severity.Hint) }, now.Rules with { Schools = now.Rules.Schools.SetItem("axleNut", "as you like") }, now.Rules with { Terms = [new Term("pin", "cotter pin")] }])
            await Somebody.ProblemOf(await admin.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Rules: bad), SheetJson.Options), HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_block_of_the_workshop_goes_into_a_sheet_with_its_joints_mapped()
    {
        Somebody admin = await workshop.As("admin"), ines = await workshop.As("ines");
        var now = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        var kept = await admin.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Blocks: [new Block("Wheel off", ["Mark the {part: wheel} and one stud.", "Remove the {joint: wheel nuts} and the {part: wheel}."])]), SheetJson.Options);
        kept.StatusCode.ShouldBe(HttpStatusCode.OK, await kept.Content.ReadAsStringAsync());
        await Somebody.ProblemOf(await admin.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version + 1, Blocks: [new Block("bad", ["Remove the {wheel nuts}."])]), SheetJson.Options), HttpStatusCode.BadRequest);

        var block = (await ines.GetAsync<List<BuildingEndpoints.BlockView>>("/api/revisions/1/blocks")).Single(b => b.Name == "Wheel off");
        block.Slots.Select(s => (s.Name, s.Likely)).ShouldBe([("wheel", "P6"), ("wheel nuts", "J7")]);
        var phase = (await ines.RevisionAsync(1)).Sheet.Phases!.Value[0].Id;
        var form = new BuildingEndpoints.BlockForm("Wheel off", phase, null, block.Slots.ToDictionary(s => s.Name, s => s.Likely));
        var edit = (await (await ines.PostAsync("/api/revisions/1/blocks", form)).Content.ReadFromJsonAsync<BuildingEndpoints.EditView>(SheetJson.Options))!.Edit;
        await ines.EditAsync(1, edit);
        (await ines.TextsAsync(1))[..2].ShouldBe(["Mark the rear wheel and one stud.", "Remove the wheel nuts and the rear wheel."]);
        await ines.BackAsync(1, "undo");
        (await ines.TextsAsync(1))[0].ShouldBe("Crack the wheel nuts loose.");
    }

    // The sets as they were before.
    private static async Task<IReadOnlyList<HandToolSet>> PutHandToolsAsync(Somebody keeper, IReadOnlyList<HandToolSet> sets)
    {
        var now = await keeper.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        var kept = await keeper.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, HandTools: sets), SheetJson.Options);
        kept.StatusCode.ShouldBe(HttpStatusCode.OK, await kept.Content.ReadAsStringAsync());
        return now.HandTools;
    }

    [Fact]
    public async Task What_is_in_hand_is_kept_and_go_comes_with_the_last_of_it()
    {
        Somebody tilde = await workshop.As("tilde"), ines = await workshop.As("ines"), admin = await workshop.As("admin");
        var sets = await PutHandToolsAsync(admin, []);
        var ready = await tilde.GetAsync<Readiness>("/api/revisions/4/ready?as=cast wheels|right");
        ready.Go.ShouldBeFalse();
        ready.Items.ShouldNotContain(i => i.What.Contains("weight"), "cast wheels carry no weights");
        foreach (var item in ready.Items.Where(i => !i.InHand))
            (await tilde.Http.PutAsJsonAsync("/api/revisions/4/ready", new WalkEndpoints.Ticked(item.Key, true), SheetJson.Options)).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await ines.GetAsync<Readiness>("/api/revisions/4/ready?as=cast wheels|right")).Go.ShouldBeTrue();
        // Steel wheels need a socket and a ratchet more, for their weights.
        (await ines.GetAsync<Readiness>("/api/revisions/4/ready?as=steel wheels|right")).Missing.ShouldBe(2);
        await tilde.Http.PutAsJsonAsync("/api/revisions/4/ready", new WalkEndpoints.Ticked(ready.Items.First(i => !i.InCrib).Key, false), SheetJson.Options);
        (await ines.GetAsync<Readiness>("/api/revisions/4/ready?as=cast wheels|right")).Missing.ShouldBe(1);
        await Somebody.ProblemOf(await tilde.Http.PutAsJsonAsync("/api/revisions/4/ready", new WalkEndpoints.Ticked("part:P99", true), SheetJson.Options), HttpStatusCode.BadRequest);
        await PutHandToolsAsync(admin, sets);
    }

    [Fact]
    public async Task Hand_tools_kept_as_a_set_are_in_hand_and_a_helper_of_the_text_is_asked_for()
    {
        Somebody admin = await workshop.As("admin"), ines = await workshop.As("ines");
        var sets = await PutHandToolsAsync(admin, []);
        var id = await ines.NewAsync("H-1");
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0];
        await ines.EditAsync(id, new Core.Editing.WriteStep(phase.Steps.Single(), "", "With a helper, unscrew the 17 mm bolts of the cover with a 17 mm socket and wipe the face with brake cleaner."));
        var before = (await ines.GetAsync<Readiness>($"/api/revisions/{id}/ready")).Items;
        before.Single(i => i.What == "17 mm socket").InHand.ShouldBeFalse();
        before.Single(i => i.Group == ReadyGroup.Consumables).ShouldSatisfyAllConditions(i => i.What.ShouldBe("brake cleaner"), i => i.Steps.ShouldBe([1]));
        before.Single(i => i.Group == ReadyGroup.People).ShouldSatisfyAllConditions(i => i.What.ShouldBe("a second person"), i => i.Steps.ShouldBe([1]));

        await PutHandToolsAsync(admin, sets);
        (await ines.GetAsync<Readiness>($"/api/revisions/{id}/ready")).Items.Where(i => i.Group == ReadyGroup.Tools).ShouldAllBe(i => i.InHand && i.Note.Contains("Tool trolley"));
    }

    [Fact]
    public async Task The_chart_shows_what_the_draft_leaves_open_and_the_bench_what_is_still_to_torque()
    {
        var ines = await workshop.As("ines");
        var chart = await ines.GetAsync<Chart>("/api/revisions/1/chart");
        chart.Rows.Where(r => r.OpenAtEnd).Select(r => r.Id).ShouldBe(["J3", "A1"]);
        foreach (var row in chart.Rows)
        {
            // The bands of a row meet, from the beginning to the last step.
            row.Bands[0].From.ShouldBe(0);
            row.Bands[^1].To.ShouldBe(chart.Steps);
            for (var i = 1; i < row.Bands.Length; i++) row.Bands[i].From.ShouldBe(row.Bands[i - 1].To + 1);
        }

        (await ines.GetAsync<Bench>("/api/revisions/4/bench?step=29")).Slack.Single(l => l.Id == "J5").Due.ShouldBe(31);
        (await ines.GetAsync<Bench>("/api/revisions/4/bench?step=31")).Slack.ShouldBeEmpty();
        // The left has a sensor, the right has none.
        (await ines.GetAsync<Bench>("/api/revisions/4/bench?step=7&as=left")).Off.ShouldContain(l => l.Id == "P3");
        (await ines.GetAsync<Bench>("/api/revisions/4/bench?step=7&as=right")).Off.ShouldNotContain(l => l.Id == "P3");
        var print = await ines.GetAsync<PrintEndpoints.PrintView>("/api/revisions/4/print?as=right");
        print.As.ShouldBe("steel wheels · right");
        print.Phases.Single(p => p.Name == "Drawbar height").Owed.Select(o => (o.Id, o.Due)).ShouldBe([("J5", 31)]);
        print.Torques.ShouldNotContain(t => t.Id == "J3");
    }
}
