using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using WornPath.Core.Calculators;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Formats;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

public sealed class CribTests(Workshop workshop) : IClassFixture<Workshop>
{
    private const string Small = "name,min,max,unit,step,drive\nonly,2,12,N·m,0.1,1/4 in\n";

    private static Task<HttpResponseMessage> PutAsync(Somebody who, string path, object body) => who.Http.PutAsJsonAsync(path, body, SheetJson.Options);

    private static readonly object[] Trolley = [new { name = "Trolley 1", holds = "sockets 8–32 mm" }];

    // A file is read and shown; nothing of it is kept by that.
    private static async Task<JsonElement> CribOfAsync(Somebody who, string csv)
    {
        var answer = await who.PostAsync("/api/workshop/crib.csv", new { csv });
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        return await answer.Content.ReadFromJsonAsync<JsonElement>();
    }

    [Fact]
    public async Task The_crib_decides_which_wrench_and_setting_a_draft_shows_and_a_change_of_it_is_seen_at_once()
    {
        var ines = await workshop.As("ines");
        var admin = await workshop.As("admin");
        var id = await ines.NewAsync("C-1");
        var view = (await ines.RevisionAsync(id)).Sheet;
        await ines.EditAsync(id, new AddFilled(ThingKind.Joint, "strap bolts", [new("count", "2"), new("fastener", "M12 10.9 bolt, 18 mm"), new("torque", "95 N·m"), new("source", "Sample, p. 1")]));
        view = await ines.EditAsync(id, new WriteStep(view.Phases!.Value[0].Steps.Single(), "", "Torque the strap bolts to 95 N·m."));
        view.Joints!.Value.Single().Wrench.ShouldNotBeNull().ShouldSatisfyAllConditions(w => w.Name.ShouldBe("TW-3"), w => w.Setting.ShouldBe("95 N·m"));

        var before = await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        var csv = await admin.Http.GetStringAsync("/api/workshop/crib.csv");
        var small = await CribOfAsync(admin, Small);
        (await PutAsync(admin, "/api/workshop", new { version = before.Version, crib = small })).StatusCode.ShouldBe(HttpStatusCode.OK);
        var sheet = (await ines.RevisionAsync(id)).Sheet;
        sheet.Joints!.Value.Single().Wrench!.Name.ShouldBe("");
        sheet.Findings!.Value.Single(f => f.Rule == "TRQ007").Message.ShouldContain("only: ends at 12 N·m");
        (await ines.GetAsync<List<Core.Building.ToolLine>>($"/api/revisions/{id}/tools")).ShouldContain(t => t.Lacking && t.What.Contains("95 N·m"));

        // Who saw the former version is told, and nothing of hers is half taken; what she writes elsewhere in the workshop is hers to write.
        var late = await Somebody.ProblemOf(await PutAsync(admin, "/api/workshop", new { version = before.Version, crib = small, handTools = Trolley }), HttpStatusCode.Conflict);
        late.GetProperty("title").GetString()!.ShouldBe("Somebody else has changed the crib since.");
        (await admin.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop")).HandTools.ShouldBe(before.HandTools);
        var beside = await (await PutAsync(admin, "/api/workshop", new { version = before.Version, handTools = Trolley })).Content.ReadFromJsonAsync<WorkshopEndpoints.WorkshopView>(SheetJson.Options);
        beside!.HandTools.Single().Name.ShouldBe("Trolley 1");
        beside.Crib.Single().Cells["name"].ShouldBe("only");
        var bad = await Somebody.ProblemOf(await admin.PostAsync("/api/workshop/crib.csv", new { csv = Small.Replace("2,12", "12,2") }), HttpStatusCode.BadRequest);
        bad.GetProperty("title").GetString()!.ShouldContain("row 2, range");

        // What was saved is put back as it was.
        var back = await (await PutAsync(admin, "/api/workshop", new { version = beside.Version, crib = await CribOfAsync(admin, csv), handTools = before.HandTools })).Content.ReadFromJsonAsync<WorkshopEndpoints.WorkshopView>(SheetJson.Options);
        back!.Crib.Select(w => string.Join('|', w.Cells.Values)).ShouldBe(before.Crib.Select(w => string.Join('|', w.Cells.Values)));
        (await ines.RevisionAsync(id)).Sheet.Joints!.Value.Single().Wrench!.Name.ShouldBe("TW-3");
    }

    [Fact]
    public async Task House_rules_are_checked_and_change_what_is_set()
    {
        var odo = await workshop.As("odo");
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("C-2");
        await ines.EditAsync(id, new AddFilled(ThingKind.Joint, "strap bolts", [new("fastener", "M14×1.5 10.9 bolt"), new("torque", "120–160 N·m")]));
        (await ines.RevisionAsync(id)).Sheet.Joints!.Value.Single().Wrench!.Setting.ShouldBe("140 N·m");
        var page = await odo.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        var refused = await Somebody.ProblemOf(await PutAsync(odo, "/api/workshop", new { page.Version, rules = page.Rules with { ManyPasses = [70, 30, 100] } }), HttpStatusCode.BadRequest);
        refused.GetProperty("title").GetString()!.ShouldContain("passes of many");
        (await PutAsync(odo, "/api/workshop", new { page.Version, rules = page.Rules with { Target = Core.Quantities.RangeTarget.High } })).StatusCode.ShouldBe(HttpStatusCode.OK);
        // The high end and 4 % more leave the range: no wrench sets it.
        (await ines.RevisionAsync(id)).Sheet.Joints!.Value.Single().Wrench!.ShouldSatisfyAllConditions(w => w.Setting.ShouldBe(""), w => string.Join(' ', w.WhyNot).ShouldContain("±4 %"));
        (await PutAsync(odo, "/api/workshop", new { version = page.Version + 1, rules = page.Rules })).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task A_pasted_table_is_looked_at_first_and_taken_by_one_edit_that_one_undo_takes_back()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("C-3");
        var answer = await ines.PostAsync($"/api/revisions/{id}/joint-table", new { text = "joint\tqty\ttorque\ncover bolts\t8\t24 N·m\npad bolts\t4\tplenty\n<b>bold</b>\t1\t9 N·m" });
        var table = (await answer.Content.ReadFromJsonAsync<JsonElement>()).Deserialize<JointTable>(SheetJson.Options)!;
        (await ines.RevisionAsync(id)).Sheet.Joints!.Value.ShouldBeEmpty();
        table.Rows[1].Cells[2].Problem.ShouldContain("cannot be read");
        var sheet = await ines.EditAsync(id, table.Edit!);
        sheet.Things!.Value.Where(t => t.Kind == ThingKind.Joint).Select(t => t.Name).ShouldBe(["cover bolts", "pad bolts", "<b>bold</b>"]);
        await ines.BackAsync(id, "undo");
        (await ines.RevisionAsync(id)).Sheet.Joints!.Value.ShouldBeEmpty();
        await Somebody.ProblemOf(await ines.PostAsync($"/api/revisions/{id}/joint-table", new { text = new string('x', 200_001) }), HttpStatusCode.BadRequest);
    }

    [Theory]
    [InlineData("preload", "fastener", "M10 8.8", "torque", "90 N·m", "the fastener yields")]
    [InlineData("units", "torque", "70 lbf·ft", "torque", "70 lbf·ft", "95 N·m")]
    [InlineData("adapter", "adapter", "100 mm", "length", "400 mm", "48")]
    [InlineData("stripping", "into", "cast aluminium, 4 mm", "fastener", "M8 8.8", "The hole gives first")]
    [InlineData("slot", "holes", "2", "back", "30", "0.125 mm")]
    [InlineData("pattern", "count", "8", "pattern", "circle", "1-5-3-7-2-6-4-8")]
    [InlineData("sizes", "thread", "M12", "thread", "M12", "18 mm, 19 mm")]
    public async Task A_slip_is_worked_out_and_names_the_cell_that_cannot_be_read(string calculator, string cell, string value, string other, string otherValue, string says)
    {
        var tilde = await workshop.As("tilde");
        var cells = CalculatorList.Find(calculator)!.Cells.ToDictionary(c => c.Name, c => c.Example);
        (cells[cell], cells[other]) = (value, otherValue);
        var slip = await (await tilde.PostAsync($"/api/calculators/{calculator}", new { cells })).Content.ReadFromJsonAsync<JsonElement>();
        slip.GetProperty("result").GetString()!.ShouldContain(says);
        slip.GetProperty("numbers").EnumerateArray().ShouldAllBe(n => n.GetProperty("source").GetString()!.Length > 0);
        cells[cell] = "bananas";
        var problem = await Somebody.ProblemOf(await tilde.PostAsync($"/api/calculators/{calculator}", new { cells }), HttpStatusCode.BadRequest);
        problem.GetProperty("title").GetString()!.ShouldStartWith(CalculatorList.Find(calculator)!.Cells.First(c => c.Name == cell).Label);
    }
}
