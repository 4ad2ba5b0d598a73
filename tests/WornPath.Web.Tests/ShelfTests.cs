using Microsoft.Extensions.DependencyInjection;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Web.Drafting;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>Finding a procedure among many: by words of its head and its steps, narrowed, page by page, and nothing that is not to be seen.</summary>
public sealed class ShelfTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static Task<ShelfEndpoints.ShelfPage> AskAsync(Somebody somebody, string query) =>
        somebody.GetAsync<ShelfEndpoints.ShelfPage>($"/api/procedures?{query}");

    private Task WordsAsync() => workshop.Services.GetRequiredService<ShelfIndexer>().CatchUpAsync(CancellationToken.None);

    [Fact]
    public async Task Words_of_a_step_find_a_sheet_by_their_beginning_and_are_shown_where_they_stand()
    {
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("F-1", "Clutch cable");
        (await AskAsync(ines, "q=clutch f-1")).Rows.Single().RevisionId.ShouldBe(id, "by its head at once");
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id;
        await ines.EditAsync(id, new InsertStep("s1", phase, null, "Slide the bellows off the <b>ferrule</b> by hand."));
        await WordsAsync();
        var row = (await AskAsync(ines, "q=bell ferr")).Rows.Single();
        row.RevisionId.ShouldBe(id);
        row.Found.Where(p => p.IsFound).Select(p => p.Text).Distinct().ShouldBe(["bellows", "ferrule"]);
        string.Concat(row.Found.Select(p => p.Text)).ShouldContain("Slide the bellows off the <b>ferrule</b>");
        (await AskAsync(ines, "q=bellows gasket")).Total.ShouldBe(0, "every word is met, or it is not found");
        (await AskAsync(ines, "q=clutch")).Rows.Single().Found.ShouldBeEmpty("it stands in the head");
        // What was taken out of the text is found no more.
        await ines.EditAsync(id, new WriteStep("s1", "Slide the bellows off the <b>ferrule</b> by hand.", "Slide the boot off by hand."));
        await WordsAsync();
        (await AskAsync(ines, "q=bellows")).Total.ShouldBe(0);
        (await AskAsync(ines, "q=boot")).Rows.Single().RevisionId.ShouldBe(id);
    }

    [Fact]
    public async Task Every_word_is_met_in_number_title_vehicle_author_or_sheet()
    {
        await WordsAsync();
        var ines = await workshop.As("ines");
        (await AskAsync(ines, "q=hub 104")).Rows.Select(r => r.Number).ShouldBe(["OT-104"]);
        (await AskAsync(ines, "q=loader aldaro t28")).Rows.Single(r => r.Number == "OT-311").Stops.ShouldBe(11);
    }

    [Theory]
    [InlineData("\"")]
    [InlineData("zzqx\" OR \"bolt")]
    [InlineData("NEAR(")]
    [InlineData("—")]
    [InlineData("* ^ : { }")]
    [InlineData("title:x")]
    [InlineData("%")]
    [InlineData("_")]
    public async Task Signs_that_mean_something_to_the_index_mean_nothing_here(string words) =>
        (await AskAsync(await workshop.As("ines"), $"q={Uri.EscapeDataString(words)}")).Total.ShouldBe(0);

    [Fact]
    public async Task An_installer_finds_only_what_is_released_and_nobody_a_torque_value()
    {
        await WordsAsync();
        Somebody tilde = await workshop.As("tilde"), odo = await workshop.As("odo");
        (await AskAsync(tilde, "")).Rows.ShouldAllBe(r => r.State == Core.Revisions.RevisionState.Released);
        // OT-207 is in review; its words are for who may see it, and its values for who has read them.
        var steps = (await (await workshop.As("ines")).RevisionAsync(2)).Sheet.Steps.Select(s => s.Text).ToList();
        var word = steps.SelectMany(s => s.Split(' ')).First(w => w.Length > 7 && w.All(char.IsLetter));
        (await AskAsync(odo, $"q={word}")).Rows.Select(r => r.RevisionId).ShouldContain(2);
        (await AskAsync(tilde, $"q={word}")).Rows.Select(r => r.RevisionId).ShouldNotContain(2);
        var ines = await workshop.As("ines");
        var id = await ines.NewAsync("F-2", "Cover");
        await ines.EditAsync(id, new InsertStep(null, (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id, null,
            "Torque the zebrawood bolts to 37 N·m (27 ft-lb)."));
        await WordsAsync();
        (await AskAsync(odo, "q=zebrawood")).Rows.Single().Found.ShouldAllBe(p => !p.Text.Contains("37") && !p.Text.Contains("27"));
        foreach (var value in (string[])["zebrawood 37", "37 N·m", "27"]) (await AskAsync(odo, $"q={value}"))
            .Rows.Select(r => r.RevisionId).ShouldNotContain(id, value);
    }

    [Fact]
    public async Task The_shelf_is_narrowed_and_paged_and_counts_what_there_is()
    {
        await using var own = new Workshop();
        Somebody ines = await own.As("ines"), marta = await own.As("marta");
        for (var i = 1; i <= 95; i++) await ines.NewAsync($"N-{i:000}", $"Job {(char)('A' + (i % 26))}");
        var mine = await marta.NewAsync("Z-1", "Marta's own");
        var seen = new List<string>();
        for (var page = 1; page <= 3; page++)
        {
            var shelf = await AskAsync(ines, $"sort=number&page={page}");
            (shelf.Total, shelf.Pages, shelf.Page).ShouldBe((101, 3, page));
            seen.AddRange(shelf.Rows.Select(r => r.Number));
        }

        seen.ShouldBe(seen.Distinct().Order(StringComparer.OrdinalIgnoreCase));
        seen.Count.ShouldBe(101);
        (await AskAsync(ines, "page=999")).Page.ShouldBe(3, "past the end is the last page");
        (await AskAsync(marta, "mine=true")).Rows.Select(r => r.RevisionId)
            .ShouldBe([mine, 1], ignoreOrder: true, "her own, and what she writes along on");
        (await AskAsync(ines, "state=in review")).Rows.Select(r => r.Number).ShouldBe(["OT-207"]);
        (await AskAsync(ines, "state=released")).Total.ShouldBe(3);
        (await AskAsync(ines, "findings=stop")).Rows.ShouldAllBe(r => r.Stops > 0);
        (await AskAsync(ines, "findings=any")).Total.ShouldBe(101 - (await AskAsync(ines, "findings=none")).Total);
        (await AskAsync(ines, "platform=T28")).Total.ShouldBe(96);
        (await AskAsync(ines, "q=n-01")).Rows.Select(r => r.Number).Order().ShouldBe(Enumerable.Range(10, 10).Select(n => $"N-{n:000}"));
        var filters = await ines.GetAsync<ShelfEndpoints.ShelfFilters>("/api/procedures/filters");
        filters.Platforms.ShouldContain("T28");
        var martas = filters.Owners.Single(o => o.Name == "Marta Holm");
        (await AskAsync(ines, $"owner={martas.Id}")).Rows.Single().RevisionId.ShouldBe(mine);
        (await ines.Http.GetAsync("/api/procedures?state=lost")).StatusCode.ShouldBe(System.Net.HttpStatusCode.BadRequest);
        (await ines.Http.GetAsync("/api/procedures?page=0")).StatusCode.ShouldBe(System.Net.HttpStatusCode.BadRequest);
        // Under another name she is found by that.
        var admin = await own.As("admin");
        await own.Services.GetRequiredService<ShelfIndexer>().CatchUpAsync(CancellationToken.None);
        (await AskAsync(ines, "q=holm")).Total.ShouldBe(1);
        (await admin.Http.PutAsync($"/api/people/{martas.Id}",
            System.Net.Http.Json.JsonContent.Create(new { name = "Marta Vind", roles = new[] { "author" } }))).EnsureSuccessStatusCode();
        await own.Services.GetRequiredService<ShelfIndexer>().CatchUpAsync(CancellationToken.None);
        (await AskAsync(ines, "q=holm")).Total.ShouldBe(0);
        (await AskAsync(ines, "q=vind")).Rows.Single().RevisionId.ShouldBe(mine);
    }
}
