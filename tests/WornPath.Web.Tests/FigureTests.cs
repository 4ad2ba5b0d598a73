using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>A picture from the upload to the print of the released sheet, and who gets it.</summary>
public sealed class FigureTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static byte[] Drawing(string of) => Encoding.UTF8.GetBytes($"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 400 300'><script>alert(1)</script><text>{of}</text></svg>");

    private static Task<HttpResponseMessage> SendAsync(Somebody who, int revision, byte[] picture) => who.Http.PostAsync($"/api/revisions/{revision}/pictures",
        new ByteArrayContent(picture) { Headers = { ContentType = new MediaTypeHeaderValue("application/octet-stream") } });

    private static async Task<PictureEndpoints.PictureView> PutAsync(Somebody who, int revision, byte[] picture)
    {
        var answer = await SendAsync(who, revision, picture);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<PictureEndpoints.PictureView>(SheetJson.Options))!;
    }

    private static Figure Of(FigurePicture picture, params FigureBalloon[] balloons) => new()
    {
        Id = "f1",
        Picture = picture,
        Alt = "The cover from above.",
        Balloons = [.. balloons]
    };

    [Fact]
    public async Task A_picture_is_kept_once_shown_with_its_sheet_and_to_nobody_else()
    {
        Somebody ines = await workshop.As("ines"), marta = await workshop.As("marta"), tilde = await workshop.As("tilde"), odo = await workshop.As("odo");
        var id = await ines.NewAsync("FG-1", "Figures");
        var step = (await ines.RevisionAsync(id)).Sheet.Steps.Single().Id;
        await ines.EditAsync(id, new WriteStep(step, "", "Remove the cover bolts."));
        var taken = await PutAsync(ines, id, Drawing("cover"));
        taken.LeftOut.ShouldBe(["a script"]);
        (await PutAsync(ines, id, Drawing("cover"))).Picture.ShouldBe(taken.Picture);
        var files = Directory.GetFiles(Path.Combine(workshop.Data, "files", "pictures"), taken.Picture.Key, SearchOption.AllDirectories);
        File.ReadAllBytes(files.ShouldHaveSingleItem()).ShouldBe(await ines.Http.GetByteArrayAsync($"/api/revisions/{id}/pictures/{taken.Picture.Key}"));

        // As long as no figure shows it, it is its author's alone.
        var address = $"/api/revisions/{id}/pictures/{taken.Picture.Key}";
        await Somebody.ProblemOf(await odo.Http.GetAsync(address), HttpStatusCode.NotFound);
        var view = await ines.EditAsync(id, new PutFigure(step, null, Of(taken.Picture, new FigureBalloon(new(1, 1), new(2, 2), "J1", "", true))));
        view.Steps.Single().Shown.Single().Balloons.Single().Says.ShouldBe("J1 cover bolts");
        using var answer = await odo.Http.GetAsync(address);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
        answer.Content.Headers.ContentType!.MediaType.ShouldBe("image/svg+xml");
        answer.Headers.CacheControl!.ToString().ShouldContain("immutable");
        answer.Headers.GetValues("Content-Security-Policy").Single().ShouldBe("default-src 'none'; style-src 'unsafe-inline'; sandbox");
        answer.Headers.GetValues("X-Content-Type-Options").Single().ShouldBe("nosniff");
        (await answer.Content.ReadAsStringAsync()).ShouldNotContain("script");
        await Somebody.ProblemOf(await tilde.Http.GetAsync(address), HttpStatusCode.NotFound);
        // Under another sheet it is not to be had, by its name alone.
        await Somebody.ProblemOf(await tilde.Http.GetAsync($"/api/revisions/3/pictures/{taken.Picture.Key}"), HttpStatusCode.NotFound);
        foreach (var wrong in (string[])["..%2f..%2fwornpath.db", "x", new string('0', 64) + ".svg"])
            await Somebody.ProblemOf(await ines.Http.GetAsync($"/api/revisions/{id}/pictures/{wrong}"), HttpStatusCode.NotFound);

        // Undone and done again, it is there again.
        (await ines.BackAsync(id, "undo")).Steps.Single().Figures.ShouldBeEmpty();
        (await ines.BackAsync(id, "redo")).Steps.Single().Figures.Single().Balloons.Single().Value.ShouldBeTrue();
        // Who may not write on it puts nothing in.
        await Somebody.ProblemOf(await SendAsync(marta, id, Drawing("x")), HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_figure_does_not_show_what_was_never_put_in_and_bad_pictures_are_told_plainly()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("FG-2", "Figures");
        var step = (await ines.RevisionAsync(id)).Sheet.Steps.Single().Id;
        var never = new FigurePicture(new string('0', 64) + ".png", 100, 100);
        (await Somebody.ProblemOf(await ines.TryEditAsync(id, new PutFigure(step, null, Of(never))),
            HttpStatusCode.BadRequest)).GetProperty("title").GetString()
            .ShouldBe("The figure's picture is not kept here.");
        // Not within a group either.
        await Somebody.ProblemOf(await ines.TryEditAsync(id, new Several("x", [new PutFigure(step, null, Of(never))])), HttpStatusCode.BadRequest);
        (await Somebody.ProblemOf(await SendAsync(ines, id, "Take out the bolts."u8.ToArray()), HttpStatusCode.BadRequest)).GetProperty("title").GetString()
            .ShouldBe("The file is no picture that can be read.");
        (await Somebody.ProblemOf(await SendAsync(ines, id, []), HttpStatusCode.BadRequest)).GetProperty("title").GetString().ShouldBe("The picture is empty.");
        ((int)(await SendAsync(ines, id, new byte[21 * 1024 * 1024])).StatusCode).ShouldBeOneOf(400, 413);
        await Somebody.ProblemOf(await SendAsync(ines, 3, Drawing("x")), HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_sheet_goes_out_with_its_pictures_comes_in_under_another_number_and_is_in_the_backup()
    {
        Somebody ines = await workshop.As("ines"), admin = await workshop.As("admin");
        var file = JsonSerializer.Deserialize<JsonElement>(await ines.Http.GetStringAsync("/api/revisions/3/file"));
        file.GetProperty("pictures").GetArrayLength().ShouldBe(2);
        var other = JsonNode.Parse(file.GetRawText())!.AsObject();
        other["number"] = "FG-3";
        other.Remove("signatures");
        var opened = await (await ines.Http.PostAsync("/api/procedures/file", new StringContent(other.ToJsonString(), Encoding.UTF8,
            "application/json"))).Content.ReadFromJsonAsync<JsonElement>();
        var id = opened.GetProperty("revisionId").GetInt32();
        var back = JsonSerializer.Deserialize<JsonElement>(await ines.Http.GetStringAsync($"/api/revisions/{id}/file"));
        JsonElement.DeepEquals(back.GetProperty("pictures"), file.GetProperty("pictures")).ShouldBeTrue();
        JsonElement.DeepEquals(back.GetProperty("sheet").GetProperty("phases"), file.GetProperty("sheet").GetProperty("phases")).ShouldBeTrue();
        admin.SaysAgain = true;
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(await admin.Http.GetByteArrayAsync("/api/backup")));
        foreach (var picture in file.GetProperty("pictures").EnumerateArray())
            zip.Entries.ShouldContain(e => e.FullName.StartsWith("files/pictures/") && e.Name == picture.GetProperty("key").GetString());
        // And in the workshop in open forms, where each revision stands as a file that comes in by itself, too.
        using var taken = new System.IO.Compression.ZipArchive(new MemoryStream(await admin.Http.GetByteArrayAsync("/api/backup/open")));
        foreach (var picture in file.GetProperty("pictures").EnumerateArray())
            taken.Entries.ShouldContain(e => e.FullName.StartsWith("files/pictures/") && e.Name == picture.GetProperty("key").GetString());
        using var one = JsonDocument.Parse(taken.GetEntry("procedures/OT-104/OT-104-A.json")!.Open());
        JsonElement.DeepEquals(one.RootElement.GetProperty("pictures"), file.GetProperty("pictures")).ShouldBeTrue();
        new StreamReader(taken.GetEntry("procedures/OT-311/OT-311-A.md")!.Open()).ReadToEnd().ShouldContain("DRAFT – NOT RELEASED");
        new StreamReader(taken.GetEntry("procedures/OT-104/OT-104-A.md")!.Open()).ReadToEnd().ShouldContain("Released when the workshop was taken out");
    }

    /// <summary>A value on a balloon is a value: who reads it in its source first is not shown it.</summary>
    [Fact]
    public async Task A_balloon_does_not_tell_a_value_to_who_reads_it_blind()
    {
        Somebody ines = await workshop.As("ines"), odo = await workshop.As("odo");
        var id = await ines.NewAsync("FG-4", "Figures");
        var step = (await ines.RevisionAsync(id)).Sheet.Steps.Single().Id;
        await ines.EditAsync(id, new WriteStep(step, "", "Torque the cover bolts to 23 N·m."));
        var joint = (await ines.RevisionAsync(id)).Sheet.Things!.Value.Single(t => t.Kind == ThingKind.Joint);
        await ines.EditAsync(id, new SetField(joint.Id, "source", joint.Fields["source"], "manual p. 4"));
        var picture = (await PutAsync(ines, id, Drawing("all at <tspan>23</tspan> N·m, see A-23"))).Picture;
        var view = await ines.EditAsync(id, new PutFigure(step, null, Of(picture, new FigureBalloon(new(1, 1), new(2, 2), joint.Id, "at 23 N·m",
            true)) with
        { Caption = "All at 23 N·m" }));
        view.Steps.Single().Shown.Single().Balloons.Single().Value.ShouldContain("23");
        (await ines.PostAsync($"/api/revisions/{id}/send")).EnsureSuccessStatusCode();
        foreach (var path in (string[])[$"/api/revisions/{id}", $"/api/revisions/{id}/print"])
        {
            var text = await odo.Http.GetStringAsync(path);
            text.ShouldContain("The cover from above.");
            Regex.Matches(text, @"\b23(?:\s|&nbsp;)*N").Select(m => text[Math.Max(0, m.Index - 80)..m.Index]).ShouldBeEmpty(path);
        }

        // In the drawing, too, until it is read; and what was hidden is not kept by her browser.
        var address = $"/api/revisions/{id}/pictures/{picture.Key}";
        (await ines.Http.GetStringAsync(address)).ShouldContain("<tspan>23</tspan> N·m");
        using (var hidden = await odo.Http.GetAsync(address))
        {
            (await hidden.Content.ReadAsStringAsync()).ShouldContain("<text>all at [to be read], see A-23</text>");
            hidden.Headers.CacheControl!.NoStore.ShouldBeTrue();
        }

        await Somebody.ProblemOf(await odo.Http.GetAsync($"/api/revisions/{id}/export/html"), HttpStatusCode.Conflict);
    }
}
