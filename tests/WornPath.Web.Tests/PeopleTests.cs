using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Routing;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Demo;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>Access given and taken: links, resets, the last administrator, the demo's people, the trail of all of it.</summary>
public sealed class PeopleTests
{
    private static async Task<PeopleEndpoints.LinkMade> LinkAsync(HttpResponseMessage answer)
    {
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<PeopleEndpoints.LinkMade>(SheetJson.Options))!;
    }

    private static string TokenOf(PeopleEndpoints.LinkMade link) => link.Url.Split('#')[1];

    private static async Task NoLinkAsync(Workshop workshop, string token)
    {
        var fresh = await workshop.As(null);
        (await Somebody.ProblemOf(await fresh.PostAsync("/api/join/look", new { token }), HttpStatusCode.BadRequest)).GetProperty("title")
            .GetString().ShouldBe("This link opens nothing.");
        await Somebody.ProblemOf(await fresh.PostAsync("/api/join", new { token, password = "long-enough-1" }), HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_link_opens_once_until_another_takes_its_place_and_while_its_time_lasts()
    {
        var clock = new SteppingClock();
        await using var workshop = Workshop.With(null, services => services.Replace(ServiceDescriptor.Singleton<TimeProvider>(clock)));
        var admin = await workshop.As("admin");
        var first = await LinkAsync(await admin.PostAsync("/api/people",
            new { userName = "hanne", name = "Hanne Lund", email = "hanne@shop.example", roles = new[] { "author" } }));
        first.Url.ShouldStartWith("https://localhost/join#");
        var fresh = await workshop.As(null);
        (await fresh.PostAsync("/api/session", new { userName = "hanne", password = "" })).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await fresh.PostAsync("/api/session", new { userName = "hanne", password = "long-enough-1" }))
            .StatusCode.ShouldBe(HttpStatusCode.Unauthorized, "invited is not in");
        // A password that may not be used leaves the link as it is.
        await Somebody.ProblemOf(await fresh.PostAsync("/api/join", new { token = TokenOf(first), password = "short" }), HttpStatusCode.BadRequest);
        await fresh.JoinAsync(TokenOf(first), "long-enough-1");
        await NoLinkAsync(workshop, TokenOf(first));
        await fresh.EnterAsync("hanne", "long-enough-1");

        var reset = await LinkAsync(await admin.PostAsync($"/api/people/{first.PersonId}/reset"));
        (await fresh.Http.GetAsync("/api/procedures")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized, "a reset signs out");
        (await (await workshop.As(null)).PostAsync("/api/session", new { userName = "hanne", password = "long-enough-1" }))
            .StatusCode.ShouldBe(HttpStatusCode.Unauthorized, "and voids the password");
        var again = await LinkAsync(await admin.PostAsync($"/api/people/{first.PersonId}/reset"));
        await NoLinkAsync(workshop, TokenOf(reset));
        clock.Forward(TimeSpan.FromHours(72));
        await NoLinkAsync(workshop, TokenOf(again));
        admin = await workshop.As("admin");
        var last = await LinkAsync(await admin.PostAsync($"/api/people/{first.PersonId}/reset"));
        (await admin.PostAsync($"/api/people/{first.PersonId}/disable")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await NoLinkAsync(workshop, TokenOf(last));

        // Each was written to her; the links are those that were made.
        var mails = await admin.GetAsync<List<Mail>>("/api/mail");
        mails.Count(m => m.Text.Contains("/join#")).ShouldBe(4);
        mails.ShouldAllBe(m => m.To.Contains("hanne@shop.example"));
        foreach (var link in (PeopleEndpoints.LinkMade[])[first, reset, again, last]) mails.ShouldContain(m => m.Text.Contains(link.Url));
    }

    [Fact]
    public async Task The_last_administrator_stays_one_and_two_who_disable_each_other_at_once_leave_one()
    {
        await using var workshop = new Workshop();
        var office = await workshop.As("admin");
        var me = (await office.GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people")).Single(p => p.IsMe).Id;
        await Somebody.ProblemOf(await office.PostAsync($"/api/people/{me}/disable"), HttpStatusCode.Conflict);
        await Somebody.ProblemOf(await office.Http.PutAsJsonAsync($"/api/people/{me}",
            new { name = "Workshop office", roles = new[] { "author" } }), HttpStatusCode.Conflict);
        for (var round = 0; round < 5; round++)
        {
            var name = $"Second {(char)('A' + round)}";
            await office.InviteAsync(workshop.Nobody(), $"second{round}", name, "administrator");
            var second = workshop.Nobody();
            await second.EnterAsync($"second{round}", "long-enough-1");
            var id = (await office.GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people")).Single(p => p.Name == name).Id;
            // Both have said that it is they; then both at once.
            foreach (var one in (Somebody[])[office, second])
            {
                (await one.Http.GetAsync("/api/session/confirmed")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
                one.SaysAgain = false;
            }

            var answers = await Task.WhenAll(office.PostAsync($"/api/people/{id}/disable"), second.PostAsync($"/api/people/{me}/disable"));
            answers.Count(a => a.StatusCode == HttpStatusCode.NoContent).ShouldBe(1);
            office.SaysAgain = second.SaysAgain = true;
            if (answers[0].StatusCode == HttpStatusCode.NoContent) continue;
            await second.PostAsync($"/api/people/{me}/enable");
            await office.EnterAsync("admin");
            (await office.PostAsync($"/api/people/{id}/disable")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        }
    }

    private static readonly string[] OpenToAll = [
        // Opened by the key in its address, whoever is signed in.
        "GET /api/calendar/{key}", "GET /api/session", "POST /api/session", "POST /api/join", "POST /api/join/look",
        "GET /health/live", "GET /health/ready"];

    [Fact]
    public async Task Who_still_needs_a_second_factor_does_nothing_but_set_it_up_and_who_is_disabled_or_has_given_no_code_nothing_at_all()
    {
        // A real workshop: administrators need a second factor there.
        await using var workshop = Workshop.Set(null, null);
        await using var scope = workshop.Services.CreateAsyncScope();
        var users = scope.ServiceProvider.GetRequiredService<UserManager<Person>>();
        var admin = await users.FindByNameAsync("admin") ?? throw new InvalidOperationException("No first administrator was made.");
        var link = await scope.ServiceProvider.GetRequiredService<People>().ResetAsync(null, admin, null);
        var due = await workshop.As(null);
        await due.JoinAsync(link.Value.Path.Split('#')[1], "long-enough-1");
        await due.EnterAsync("admin", "long-enough-1");
        (await due.GetAsync<SessionEndpoints.SessionView>("/api/session")).FactorDue.ShouldBeTrue();
        await HoldAsync(workshop, due, (endpoint, answer, text) => endpoint.Contains("/api/me") || endpoint.Contains("/api/session")
            || text.Contains("\"asks\":\"factor\""));

        // The password given, the code not: nobody is signed in.
        var setup = (await (await due.PostAsync("/api/me/factor")).Content.ReadFromJsonAsync<SecondFactor.Setup>(SheetJson.Options))!;
        var code = new OtpNet.Totp(OtpNet.Base32Encoding.ToBytes(setup.Secret.Replace(" ", ""))).ComputeTotp();
        (await due.Http.PutAsJsonAsync("/api/me/factor", new { code })).StatusCode.ShouldBe(HttpStatusCode.OK);
        (await due.Http.GetAsync("/api/people")).StatusCode.ShouldBe(HttpStatusCode.OK, "set up, all is open");
        await Somebody.ProblemOf(await due.Http.DeleteAsync("/api/me/factor"), HttpStatusCode.Conflict);
        var pending = await workshop.As(null);
        (await Somebody.ProblemOf(await pending.PostAsync("/api/session", new { userName = "admin", password = "long-enough-1" }),
            HttpStatusCode.Unauthorized)).GetProperty("asks").GetString().ShouldBe("code");
        await HoldAsync(workshop, pending, (_, answer, _) => answer == HttpStatusCode.Unauthorized);

        await due.InviteAsync(workshop.Nobody(), "ulf", "Ulf Bergen", "author", "approver");
        var ulf = workshop.Nobody();
        await ulf.EnterAsync("ulf", "long-enough-1");
        var id = (await due.GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people")).Single(p => p.UserName == "ulf").Id;
        (await due.PostAsync($"/api/people/{id}/disable")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await HoldAsync(workshop, ulf, (_, answer, text) => answer == HttpStatusCode.Unauthorized || text.Contains("This page is out of date"));
    }

    private static async Task HoldAsync(Workshop workshop, Somebody somebody, Func<string, HttpStatusCode, string, bool> isHeld)
    {
        somebody.SaysAgain = false;
        var through = new List<string>();
        foreach (var endpoint in workshop.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>()
            .Where(e => e.Metadata.GetMetadata<HttpMethodMetadata>() is { HttpMethods.Count: > 0 }))
        {
            var name = $"{endpoint.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods[0]} /{endpoint.RoutePattern.RawText!.Trim('/')}";
            if (OpenToAll.Contains(name) || name == "DELETE /api/session") continue;
            var path = System.Text.RegularExpressions.Regex.Replace(name.Split(' ')[1].Replace("{ticket:guid}", $"{Guid.Empty}"), @"\{[^}]*\}", "0");
            using var request = new HttpRequestMessage(new HttpMethod(name.Split(' ')[0]), path);
            if (request.Method != HttpMethod.Get) request.Content = path.EndsWith("/restore")
                ? new ByteArrayContent([1]) { Headers = { ContentType = new("application/zip") } } : JsonContent.Create(new { });
            using var answer = await somebody.Http.SendAsync(request);
            if (!isHeld(name, answer.StatusCode, await answer.Content.ReadAsStringAsync())) through.Add($"{name} → {(int)answer.StatusCode}");
        }

        through.ShouldBeEmpty();
        somebody.SaysAgain = true;
    }

    [Fact]
    public async Task People_of_the_demo_in_a_real_database_are_disabled_and_somebody_can_still_administrate()
    {
        var before = new Workshop();
        // As a program of before could leave it: a real workshop that was once started as a demo.
        await (await before.As("admin")).InviteAsync(before.Nobody(), "hanne", "Hanne Lund", "author");
        await using var real = Workshop.Set(before, () => Forget(before.Database));
        foreach (var known in DemoPeople.All) (await (await real.As(null))
            .PostAsync("/api/session", new { userName = known.UserName, password = DemoPeople.Password }))
            .StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        await real.Nobody().EnterAsync("hanne", "long-enough-1");
        (await (await real.As(null)).GetAsync<SessionEndpoints.SessionView>("/api/session")).IsDemo.ShouldBeFalse();
        await using var scope = real.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        (await db.Invitations.CountAsync(i => i.UsedAt == null && i.Person.UserName == "admin"))
            .ShouldBe(1, "the only administrator was one of them: a link was made");
    }

    private static void Forget(string database)
    {
        using var connection = new SqliteConnection($"Data Source={database};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = "DROP TRIGGER Facts_Stay; DELETE FROM Facts WHERE Name = 'kind'";
        command.ExecuteNonQuery();
    }

    [Fact]
    public async Task What_was_done_is_in_the_trail_in_order_and_nothing_that_was_typed_in_secret()
    {
        await using var workshop = new Workshop();
        var stranger = await workshop.As(null);
        await stranger.PostAsync("/api/session", new { userName = "my-password-in-the-wrong-field", password = "guessed-word" });
        await stranger.PostAsync("/api/session", new { userName = "ines", password = "guessed-word" });
        var admin = await workshop.As("admin");
        await admin.InviteAsync(workshop.Nobody(), "hanne", "Hanne Lund", "author");
        var answer = await admin.Http.GetAsync("/api/audit/lines");
        answer.Content.Headers.ContentType!.MediaType.ShouldBe("application/jsonl");
        var text = await answer.Content.ReadAsStringAsync();
        var lines = text.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(l => JsonSerializer.Deserialize<AuditEndpoints.AuditLine>(l, SheetJson.Options)!).ToList();
        lines.Select(l => l.At).ShouldBe(lines.Select(l => l.At).Order());
        lines.ShouldAllBe(l => l.At.Kind == DateTimeKind.Utc);
        lines.Where(l => l.Procedure == "" && l.Kind != "WorkshopChanged").Select(l => $"{l.Kind} {l.Who} {l.Whom} {l.Text}".Trim()).ShouldBe([
            "SignInFailed   a name that nobody has", "SignInFailed Ines Aldaro (ines)  password", "SignedIn Workshop office (admin)",
            "Invited Workshop office (admin) Hanne Lund (hanne) author", "Joined Hanne Lund (hanne)", "AuditTaken Workshop office (admin)"]);
        lines.Select(l => l.Kind).ShouldContain("Released");
        foreach (var secret in (string[])["guessed-word", "my-password", "long-enough-1", "#"]) text.ShouldNotContain(secret);
    }

    [Fact]
    public async Task A_restore_ends_all_sessions_and_links()
    {
        var before = new Workshop();
        var admin = await before.As("admin");
        var link = await LinkAsync(await admin.PostAsync("/api/people", new { userName = "hanne", name = "Hanne Lund", roles = new[] { "author" } }));
        var backup = await admin.Http.GetByteArrayAsync("/api/backup");
        (await admin.Http.PostAsync("/api/backup/restore",
            new ByteArrayContent(backup) { Headers = { ContentType = new("application/zip") } })).StatusCode.ShouldBe(HttpStatusCode.OK);
        await using var after = Workshop.With(before, _ => { });
        await NoLinkAsync(after, TokenOf(link));
        (await (await after.As("admin")).GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people")).Sum(p => p.Sessions).ShouldBe(1);
    }

    // Made by the program before there were sessions, links and second factors; Piet was locked in it.
    [Fact]
    public async Task A_workshop_of_the_version_before_opens_with_its_people_and_their_passwords()
    {
        var before = new Workshop();
        await using (var zipped = new System.IO.Compression.GZipStream(File.OpenRead(Path.Combine(Root, "tests", "fixtures",
            "database-before-access.db.gz")), System.IO.Compression.CompressionMode.Decompress))
        await using (var file = File.Create(before.Database)) await zipped.CopyToAsync(file);
        await using var workshop = Workshop.Set(before, null, ("WornPath:FactorFor", "nobody"));
        var hanne = workshop.Nobody();
        await hanne.EnterAsync("hanne", "long-enough-1");
        var row = (await hanne.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=bellows")).Rows.Single();
        row.Number.ShouldBe("H-7");
        await hanne.EditAsync(row.RevisionId, new Core.Editing.AddThing(ThingKind.Part, "boot", false));
        await workshop.Nobody().EnterAsync("piet", "long-enough-1");
        var office = workshop.Nobody();
        await office.EnterAsync("office", "long-enough-1");
        (await office.GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people"))
            .Select(p => $"{p.UserName} {p.State}: {string.Join(", ", p.Roles)}").ShouldBe(
            ["hanne Active: author", "office Active: administrator", "piet Active: reviewer, approver"]);
        (await (await workshop.As(null)).GetAsync<SessionEndpoints.SessionView>("/api/session")).IsDemo.ShouldBeFalse();
    }

    private static string Root
    {
        get
        {
            var at = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(at, "WornPath.slnx"))) at = Path.GetDirectoryName(at)!;
            return at;
        }
    }
}
