using System.Net;
using System.Text.RegularExpressions;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Drafting;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>It is known who has a released sheet in hands, who knows of a bulletin, and by when the sheet is to be looked at again.</summary>
public sealed class HolderTests : IAsyncLifetime
{
    private readonly SteppingClock _clock = new();
    private readonly Workshop _own;
    private Somebody _ines = null!, _odo = null!, _tilde = null!;
    private int _released;

    public HolderTests() => _own = Workshop.With(null, services => services.AddSingleton<TimeProvider>(_clock));

    public async ValueTask InitializeAsync()
    {
        (_ines, _odo, _tilde) = (await _own.As("ines"), await _own.As("odo"), await _own.As("tilde"));
        _released = (await _ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=OT-104")).Rows.Single().RevisionId;
    }

    public async ValueTask DisposeAsync() => await _own.DisposeAsync();

    private Task<List<Holders.HolderView>> HoldersAsync(Somebody? who = null) =>
        (who ?? _odo).GetAsync<List<Holders.HolderView>>($"/api/revisions/{_released}/holders");

    private Task<HttpResponseMessage> LookAgainAsync(string? by) => _odo.PostAsync($"/api/revisions/{_released}/look-again", new { by });

    [Fact]
    public async Task Who_opened_printed_or_saved_it_is_known_and_so_is_who_has_not_seen_the_bulletin()
    {
        (await HoldersAsync()).ShouldBeEmpty();
        await _tilde.RevisionAsync(_released);
        await _tilde.RevisionAsync(_released);
        (await _tilde.PostAsync($"/api/revisions/{_released}/held", new { way = "printed" })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await _tilde.Http.GetStringAsync($"/api/revisions/{_released}/export/markdown");
        await _ines.Http.GetStringAsync($"/api/revisions/{_released}/file");
        var tilde = (await HoldersAsync()).Single(h => h.Who == "Tilde Rask (tilde)");
        tilde.Ways.Select(w => w.Kind).ShouldBe([HoldingKind.Opened, HoldingKind.Printed, HoldingKind.Saved]);
        (tilde.Letter, tilde.Told).ShouldBe(("A", (bool?)null), "there is no bulletin");
        (await HoldersAsync()).Single(h => h.Who == "Ines Aldaro (ines)").Ways.Single().Kind.ShouldBe(HoldingKind.Saved);

        _clock.Forward(TimeSpan.FromMinutes(2));
        (await _odo.PostAsync($"/api/revisions/{_released}/bulletins",
            new { text = "Torque them to 95, not 90." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await HoldersAsync()).ShouldAllBe(h => h.Told == false);
        _clock.Forward(TimeSpan.FromMinutes(1));
        // Within the time of one look: yet it is the bulletin she sees now.
        await _tilde.RevisionAsync(_released);
        (await HoldersAsync()).Select(h => $"{h.Who} {h.Told}").Order().ShouldBe(["Ines Aldaro (ines) False", "Tilde Rask (tilde) True"]);
        // Nobody reads of others who follows a sheet; a way nobody knows is refused.
        (await _tilde.Http.GetAsync($"/api/revisions/{_released}/holders")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        (await Somebody.ProblemOf(await _tilde.PostAsync($"/api/revisions/{_released}/held", new { way = "eaten" }), HttpStatusCode.BadRequest))
            .GetProperty("title").GetString().ShouldBe("“eaten” is no way that is written down here.");
    }

    [Fact]
    public async Task Who_has_it_is_written_to_when_a_bulletin_comes_out()
    {
        var office = await _own.As("admin");
        office.SaysAgain = true;
        await office.PostAsync("/api/people", new
        {
            userName = "hanne",
            name = "Hanne Lund",
            email = "hanne@shop.example",
            roles = new[] { "installer" }
        });
        var before = (await office.GetAsync<List<Mail>>("/api/mail")).Count;
        using var scope = _own.Services.CreateScope();
        var db = scope.ServiceProvider.GetRequiredService<Store.WornPathDb>();
        var hanne = db.Users.Single(p => p.UserName == "hanne").Id;
        db.Holdings.Add(new Holding
        {
            RevisionId = _released,
            PersonId = hanne,
            Kind = HoldingKind.Printed,
            Who = "Hanne Lund (hanne)",
            First = DateTime.UtcNow,
            Last = DateTime.UtcNow
        });
        await db.SaveChangesAsync();
        await _odo.PostAsync($"/api/revisions/{_released}/bulletins", new { text = "Torque them to 95, not 90." });
        var mail = (await office.GetAsync<List<Mail>>("/api/mail")).First();
        (await office.GetAsync<List<Mail>>("/api/mail")).Count.ShouldBe(before + 1);
        mail.To.ShouldContain("hanne@shop.example");
        mail.Subject.ShouldStartWith("Bulletin against OT-104");
        mail.Text.ShouldContain("Torque them to 95, not 90.");
        mail.Text.ShouldContain($"/r/{_released}/follow");
        (await HoldersAsync()).Single().Mailed.ShouldBeTrue();
    }

    [Fact]
    public async Task A_draft_has_no_holders_and_a_sheet_is_looked_at_again_by_a_day_that_is_ahead()
    {
        var draft = (await _ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=OT-311")).Rows.Single().RevisionId;
        await _ines.RevisionAsync(draft);
        (await _ines.GetAsync<List<Holders.HolderView>>($"/api/revisions/{draft}/holders")).ShouldBeEmpty("nobody works from a draft");

        var today = DateOnly.FromDateTime(_clock.GetUtcNow().UtcDateTime);
        async Task<string> Refused(DateOnly by) => (await Somebody.ProblemOf(await LookAgainAsync($"{by:yyyy-MM-dd}"),
            HttpStatusCode.Conflict)).GetProperty("title").GetString()!;
        (await Refused(today)).ShouldEndWith("is not ahead.");
        (await Refused(today.AddYears(11))).ShouldEndWith("is more than ten years off.");
        (await LookAgainAsync($"{today.AddDays(90):yyyy-MM-dd}")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await _ines.RevisionAsync(_released)).LookAgainBy.ShouldBe(today.AddDays(90));
        (await _ines.RevisionAsync(_released)).Events[^1].Kind.ShouldBe(ReviewEventKind.LookAgainSet);

        // It waits for its author once its day is near, and is late behind it.
        async Task<string?> Waits() => (await _ines.GetAsync<List<Desk.DeskLine>>("/api/desk")).SingleOrDefault(l => l.RevisionId == _released)?.Says;
        (await Waits()).ShouldBeNull();
        _clock.Forward(TimeSpan.FromDays(65));
        (_ines, _odo) = (await _own.As("ines"), await _own.As("odo"));
        (await Waits())!.ShouldStartWith("is to be looked at again by ");
        _clock.Forward(TimeSpan.FromDays(40));
        (_ines, _odo) = (await _own.As("ines"), await _own.As("odo"));
        (await Waits())!.ShouldStartWith("was to be looked at again by ");
        await LookAgainAsync(null);
        (await Waits()).ShouldBeNull();
    }

    [Fact]
    public async Task A_calendar_at_an_address_of_ones_own_has_what_waits_and_what_falls_due()
    {
        var today = DateOnly.FromDateTime(_clock.GetUtcNow().UtcDateTime);
        await LookAgainAsync($"{today.AddDays(90):yyyy-MM-dd}");
        _ines.SaysAgain = true;
        var address = (await (await _ines.PostAsync("/api/me/calendar")).Content.ReadAsStringAsync()).Split('"')[3];
        var nobody = _own.Nobody();
        async Task<string> Fetch() => await (await nobody.Http.GetAsync(new Uri(address).AbsolutePath)).Content.ReadAsStringAsync();
        var text = await Fetch();

        // RFC 5545, from memory: lines end with CRLF and hold at most 75 octets; a day has no time; each event has a UID and a stamp.
        text.ShouldStartWith("BEGIN:VCALENDAR\r\n");
        text.Replace("\r\n", "").ShouldNotContain("\n");
        text.Split("\r\n").ShouldAllBe(l => System.Text.Encoding.UTF8.GetByteCount(l) <= 75);
        var lines = text.Replace("\r\n ", "").Split("\r\n");
        lines.ShouldContain("VERSION:2.0");
        lines.Count(l => l.StartsWith("UID:", StringComparison.Ordinal)).ShouldBe(lines.Count(l => l == "BEGIN:VEVENT"));
        lines.Count(l => Regex.IsMatch(l, @"^DTSTAMP:\d{8}T\d{6}Z$")).ShouldBe(lines.Count(l => l == "BEGIN:VEVENT"));
        lines.ShouldContain($"DTSTART;VALUE=DATE:{today.AddDays(90):yyyyMMdd}");
        lines.ShouldContain(l => l.StartsWith("SUMMARY:OT-104 Front hub bearing\\, left\\, A: to be looked at again", StringComparison.Ordinal));
        // What waits for her on the shelf waits here, too; the keeper of the crib has the calibrations.
        foreach (var waits in await _ines.GetAsync<List<Desk.DeskLine>>("/api/desk")) lines.ShouldContain(l => l.StartsWith("SUMMARY:",
            StringComparison.Ordinal)
            && l.Contains(waits.Sheet.Split(',')[0], StringComparison.Ordinal));
        lines.ShouldNotContain(l => l.Contains("calibration due"));
        _odo.SaysAgain = true;
        var odos = (await (await _odo.PostAsync("/api/me/calendar")).Content.ReadAsStringAsync()).Split('"')[3];
        (await nobody.Http.GetStringAsync(new Uri(odos).AbsolutePath)).Replace("\r\n ", "").ShouldContain(": calibration due\r\n");

        // In no log stands what opens it.
        CalendarEndpoints.Shown(new Uri(address).AbsolutePath).ShouldBe("/api/calendar/…");
        CalendarEndpoints.Shown("/api/me").ShouldBe("/api/me");

        // Made anew or taken away, the former address opens nothing; nor does another.
        await _ines.PostAsync("/api/me/calendar");
        (await Fetch()).ShouldContain("This calendar is not there.");
        (await nobody.Http.GetAsync("/api/calendar/x")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await _ines.GetAsync<MeEndpoints.MeView>("/api/me")).HasCalendar.ShouldBeTrue();
        (await _ines.Http.DeleteAsync("/api/me/calendar")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await _ines.GetAsync<MeEndpoints.MeView>("/api/me")).HasCalendar.ShouldBeFalse();
    }
}
