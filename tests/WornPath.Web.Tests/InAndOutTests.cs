using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;

namespace WornPath.Web.Tests;

/// <summary>Sheets that leave in other formats, and procedures in words that come in.</summary>
public sealed class InAndOutTests(Workshop workshop) : IClassFixture<Workshop>
{
    [Fact]
    public async Task A_sheet_goes_out_in_the_formats_that_are_offered_and_says_whether_it_may_be_worked_from()
    {
        Somebody ines = await workshop.As("ines"), tilde = await workshop.As("tilde");
        var offered = (await ines.Http.GetFromJsonAsync<JsonElement>("/api/export-formats")).EnumerateArray().Select(f => f.GetProperty("id").GetString()!).ToList();
        offered.Count.ShouldBeGreaterThan(4);
        foreach (var format in offered)
        {
            using var answer = await ines.Http.GetAsync($"/api/revisions/3/export/{format}");
            answer.StatusCode.ShouldBe(HttpStatusCode.OK, format);
            answer.Content.Headers.ContentDisposition!.FileName!.Trim('"').ShouldStartWith("OT-104-A", Case.Sensitive, format);
            (await answer.Content.ReadAsStringAsync()).Length.ShouldBeGreaterThan(40, format);
        }

        (await ines.Http.GetStringAsync("/api/revisions/1/export/markdown")).ShouldContain("DRAFT – NOT RELEASED");
        var released = await tilde.Http.GetStringAsync("/api/revisions/3/export/markdown");
        released.ShouldContain("**Released ");
        released.ShouldContain("; written by ");
        await Somebody.ProblemOf(await tilde.Http.GetAsync("/api/revisions/1/export/markdown"), HttpStatusCode.NotFound);
        (await Somebody.ProblemOf(await ines.Http.GetAsync("/api/revisions/3/export/papyrus"), HttpStatusCode.NotFound)).GetProperty("title").GetString()!.ShouldContain("This format");
    }

    [Fact]
    public async Task An_existing_procedure_in_words_is_looked_at_before_it_is_brought_in()
    {
        var ines = await workshop.As("ines");
        var file = Encoding.UTF8.GetBytes("# T-40 Tray cover\n\n## Tools\n\n- a hammer\n\n## Removal\n\n1. Remove the tray bolts.\n2. Frobnicate the dingus.\n");
        var look = await (await ines.PostAsync("/api/procedures/written/preview", new { file })).Content.ReadFromJsonAsync<JsonElement>();
        (look.GetProperty("number").GetString(), look.GetProperty("title").GetString()).ShouldBe(("T-40", "Tray cover"));
        look.GetProperty("phases")[0].GetProperty("steps").GetInt32().ShouldBe(2);
        look.GetProperty("questions").GetInt32().ShouldBe(1);
        look.GetProperty("left")[0].GetProperty("what").GetString().ShouldBe("a hammer");
        var opened = await (await ines.PostAsync("/api/procedures/written", new { file, number = "T-40", title = "Tray cover" })).Content.ReadFromJsonAsync<JsonElement>();
        var sheet = (await ines.RevisionAsync(opened.GetProperty("revisionId").GetInt32())).Sheet;
        sheet.Steps.Select(s => s.Text).ShouldBe(["Remove the tray bolts.", "Frobnicate the dingus."]);
        await Somebody.ProblemOf(await ines.PostAsync("/api/procedures/written", new { file, number = "T-40", title = "again" }), HttpStatusCode.Conflict);
        (await Somebody.ProblemOf(await ines.PostAsync("/api/procedures/written/preview", new { file = "# Nothing else"u8.ToArray() }), HttpStatusCode.BadRequest)).GetProperty("title").GetString()!.ShouldContain("No step");
        // A sheet that went out for a word processor comes in again; what is packed and no document is told.
        var document = await ines.Http.GetByteArrayAsync("/api/revisions/1/export/docx");
        var again = await (await ines.PostAsync("/api/procedures/written/preview", new { file = document })).Content.ReadFromJsonAsync<JsonElement>();
        again.GetProperty("number").GetString().ShouldBe("OT-311");
        again.GetProperty("left").EnumerateArray().ShouldContain(l => l.GetProperty("what").GetString()!.Contains("DRAFT – NOT RELEASED"));
        (await Somebody.ProblemOf(await ines.PostAsync("/api/procedures/written/preview", new { file = document[..^100] }), HttpStatusCode.BadRequest))
            .GetProperty("title").GetString()!.ShouldContain("no document of a word processor");
        await Somebody.ProblemOf(await ines.PostAsync("/api/procedures/written/preview", new { file = "not base64 !" }), HttpStatusCode.BadRequest);
    }
}
