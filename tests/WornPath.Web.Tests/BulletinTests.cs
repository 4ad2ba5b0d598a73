using System.Net;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Store.Entities;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>A bulletin against a released sheet shows wherever it shows, until a later revision is released or it is taken back.</summary>
public sealed class BulletinTests : IAsyncLifetime
{
    private readonly Workshop _own = new();
    private Somebody _ines = null!, _odo = null!, _tilde = null!;
    private int _released;

    public async ValueTask InitializeAsync()
    {
        (_ines, _odo, _tilde) = (await _own.As("ines"), await _own.As("odo"), await _own.As("tilde"));
        _released = (await _ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=OT-126")).Rows.Single().RevisionId;
    }

    public async ValueTask DisposeAsync() => await _own.DisposeAsync();

    private static async Task<string> RefusedAsync(Somebody who, string path, object form) =>
        (await Somebody.ProblemOf(await who.PostAsync(path, form), HttpStatusCode.Conflict)).GetProperty("title").GetString()!;

    private async Task WarnAsync() => (await _odo.PostAsync($"/api/revisions/{_released}/bulletins", new
    {
        text = "Torque them to 195, not 190.",
        kind = "value",
        target = "J2"
    }))
        .StatusCode.ShouldBe(HttpStatusCode.NoContent);

    [Fact]
    public async Task Whoever_works_from_it_sees_it_at_once_and_so_does_every_print_and_file()
    {
        await WarnAsync();
        var seen = (await _tilde.RevisionAsync(_released)).Bulletins.Single();
        (seen.Letter, seen.Place, seen.Text, seen.Who).ShouldBe(("C", "J2 carrier bolts, torque", "Torque them to 195, not 190.", "Odo Brandt (odo)"));
        var paper = await _tilde.GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{_released}/print");
        paper.Bulletins.Single().ShouldMatch(@"^BULLETIN \d+ \w+ \d{4}, Odo Brandt \(odo\), on J2 carrier bolts, torque: Torque them to 195, not 190\.$");
        foreach (var format in (string[])["markdown", "html", "dita"])
            (await _tilde.Http.GetStringAsync($"/api/revisions/{_released}/export/{format}")).ShouldContain("Torque them to 195, not 190.");
        (await _ines.RevisionAsync(_released)).Events[^1].Kind.ShouldBe(ReviewEventKind.Warned);
    }

    [Fact]
    public async Task The_draft_that_follows_has_it_before_it_and_its_release_settles_it()
    {
        await _ines.PostAsync($"/api/revisions/{_released}/revise");
        var id = (await _ines.RevisionAsync(_released)).Revisions[0].Id;
        await WarnAsync();
        (await _ines.RevisionAsync(id)).Bulletins.Single().Letter.ShouldBe("C");
        (await _ines.GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{id}/print")).Bulletins.ShouldBeEmpty("nobody works from a draft");
        await _ines.EditAsync(id, new SetField("J2", "torque", "190 N·m", "195 N·m"));
        var step = (await _ines.RevisionAsync(id)).Sheet.Steps.Single(s => s.Text.StartsWith("Torque the carrier bolts", StringComparison.Ordinal));
        await _ines.EditAsync(id, new WriteStep(step.Id, step.Text, step.Text.Replace("190", "195")));
        await _ines.PostAsync($"/api/revisions/{id}/send", new { why = "The value was wrong." });
        // Who has the value to read in its source does not read it here.
        var blind = Regex.Replace(await (await _odo.Http.GetAsync($"/api/revisions/{id}")).Content.ReadAsStringAsync(), "\"picture\":\"[^\"]*\"", "");
        blind.ShouldContain("Torque them to [to be read]");
        Regex.IsMatch(blind, @"(?<![\w.:-])195(?![\w-])").ShouldBeFalse(blind);
        foreach (var value in await _odo.GetAsync<List<ValueEndpoints.ValueView>>($"/api/revisions/{id}/values"))
            if (value.Standing != Core.Workshops.ValueStanding.Verified) (await _odo.PostAsync($"/api/revisions/{id}/values",
                new { seal = value.Seal, read = "195 N·m" })).EnsureSuccessStatusCode();
        (await _odo.Http.GetStringAsync($"/api/revisions/{id}/release")).ShouldContain("The bulletin against revision C is settled by it");
        (await (await _own.As("marta")).PostAsync($"/api/revisions/{id}/sign")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await _odo.PostAsync($"/api/revisions/{id}/release")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await _tilde.RevisionAsync(id)).Bulletins.ShouldBeEmpty();
        (await _ines.RevisionAsync(_released)).Bulletins.Length.ShouldBe(1, "who finds the old one finds it, too");
    }

    [Fact]
    public async Task It_is_given_out_against_what_people_work_from_says_something_and_is_taken_back_once()
    {
        var path = $"/api/revisions/{_released}/bulletins";
        (await RefusedAsync(_odo, path, new { text = "no" })).ShouldBe("The bulletin says nothing.");
        (await RefusedAsync(_odo, path, new { text = new string('a', 2001) })).ShouldBe("A bulletin of 2,001 characters is too long.");
        (await RefusedAsync(_odo, path, new
        {
            text = "It is wrong.",
            kind = "step",
            target = "S999"
        })).ShouldBe("What the comment is about is not on the sheet any more.");
        (await RefusedAsync(_odo, "/api/revisions/1/bulletins", new { text = "It is wrong." })).ShouldBe("This revision is draft.");
        await WarnAsync();
        var bulletin = (await _tilde.RevisionAsync(_released)).Bulletins.Single().Id;
        (await RefusedAsync(_odo, $"{path}/{bulletin}/take-back", new { text = "" })).ShouldBe("To take a bulletin back needs a reason.");
        (await _odo.PostAsync($"{path}/{bulletin}/take-back", new { text = "The manual was misread." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await RefusedAsync(_odo, $"{path}/{bulletin}/take-back", new { text = "Once more." })).ShouldBe("This bulletin is taken back already.");
        (await _tilde.RevisionAsync(_released)).Bulletins.ShouldBeEmpty();
        (await _ines.RevisionAsync(_released)).Events[^1].Text.ShouldBe("The manual was misread.");
    }
}
