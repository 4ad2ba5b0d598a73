using System.Net;
using System.Net.Http.Json;
using CsCheck;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;
using OtpNet;
using WornPath.Core.Sheets;
using WornPath.Web.Access;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>Who gets in, who is held off, and when a session is over.</summary>
public sealed class SignInTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static Task<HttpResponseMessage> TryAsync(Somebody somebody, string userName, string password, string? code = null) =>
        somebody.PostAsync("/api/session", new { userName, password, code });

    private static async Task<int> StatusAsync(Somebody somebody, string path = "/api/procedures") =>
        (int)(await somebody.Http.GetAsync(path)).StatusCode;

    // Another browser with the same cookies: what somebody has who copied them.
    private static Somebody CopyOf(Workshop workshop, Somebody somebody)
    {
        var copy = workshop.Nobody();
        foreach (Cookie cookie in somebody.Cookies.GetAllCookies()) copy.Cookies.Add(new Uri("https://localhost"),
            new Cookie(cookie.Name, cookie.Value, "/"));
        return copy;
    }

    [Fact]
    public async Task A_copied_cookie_opens_nothing_after_the_sign_out()
    {
        var ines = await workshop.As("ines");
        var copy = CopyOf(workshop, ines);
        (await StatusAsync(copy)).ShouldBe(200);
        (await ines.Http.DeleteAsync("/api/session")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await StatusAsync(copy)).ShouldBe(401);
        (await StatusAsync(ines)).ShouldBe(401);
    }

    [Fact]
    public async Task A_copied_cookie_opens_nothing_after_another_password_and_the_page_is_told_why()
    {
        var admin = await workshop.As("admin");
        await admin.InviteAsync(workshop.Nobody(), "pia", "Pia Storm", "author");
        var pia = workshop.Nobody();
        await pia.EnterAsync("pia", "long-enough-1");
        var elsewhere = workshop.Nobody();
        await elsewhere.EnterAsync("pia", "long-enough-1");
        var copy = CopyOf(workshop, elsewhere);
        (await pia.Http.PutAsJsonAsync("/api/me/password", new { password = "another long one" })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await StatusAsync(copy)).ShouldBe(401);
        (await copy.GetAsync<SessionEndpoints.SessionView>("/api/session")).Ended.ShouldBe(Store.Entities.SessionEnd.Changed);
        (await StatusAsync(pia)).ShouldBe(200, "the one it was changed in goes on");
        (await TryAsync(workshop.Nobody(), "pia", "long-enough-1")).StatusCode.ShouldBe(HttpStatusCode.BadRequest, "a browser without a token");
        var fresh = await workshop.As(null);
        (await TryAsync(fresh, "pia", "long-enough-1")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        await fresh.EnterAsync("pia", "another long one");
    }

    [Fact]
    public async Task Who_is_disabled_is_out_at_once_and_stays_out_until_enabled()
    {
        var admin = await workshop.As("admin");
        await admin.InviteAsync(workshop.Nobody(), "rolf", "Rolf Dahl", "author");
        var rolf = workshop.Nobody();
        await rolf.EnterAsync("rolf", "long-enough-1");
        var id = await IdOfAsync(admin, "rolf");
        (await admin.PostAsync($"/api/people/{id}/disable")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await StatusAsync(rolf)).ShouldBe(401);
        (await rolf.GetAsync<SessionEndpoints.SessionView>("/api/session")).Ended.ShouldBe(Store.Entities.SessionEnd.Disabled);
        var fresh = await workshop.As(null);
        (await Somebody.ProblemOf(await TryAsync(fresh, "rolf", "long-enough-1"), HttpStatusCode.Unauthorized)).GetProperty("title")
            .GetString().ShouldBe("This account is disabled.");
        (await Somebody.ProblemOf(await TryAsync(fresh, "rolf", "wrong-wrong-1"), HttpStatusCode.Unauthorized)).GetProperty("title")
            .GetString().ShouldBe("Name and password do not go together.", "only who knows the password learns that");
        (await admin.PostAsync($"/api/people/{id}/enable")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await fresh.EnterAsync("rolf", "long-enough-1");
        (await StatusAsync(rolf)).ShouldBe(401, "a session that ended stays so");
    }

    [Fact]
    public async Task Roles_that_are_taken_hold_from_the_next_request_on()
    {
        var admin = await workshop.As("admin");
        await admin.InviteAsync(workshop.Nobody(), "sven", "Sven Borg", "author", "approver");
        var sven = workshop.Nobody();
        await sven.EnterAsync("sven", "long-enough-1");
        await sven.NewAsync("S-1");
        (await admin.Http.PutAsJsonAsync($"/api/people/{await IdOfAsync(admin, "sven")}",
            new { name = "Sven Borg", roles = new[] { "installer" } })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await sven.PostAsync("/api/procedures", new { number = "S-2", title = "x" })).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        (await sven.GetAsync<SessionEndpoints.SessionView>("/api/session")).Roles.ShouldBe(["installer"]);
    }

    [Fact]
    public async Task Who_guesses_is_held_off_and_a_browser_known_here_is_not()
    {
        await using var own = new Workshop();
        var odo = await own.As("odo");
        await odo.Http.DeleteAsync("/api/session");
        var stranger = await own.As(null);
        for (var i = 0; i < SignInGuard.MostAtPlace; i++) (await TryAsync(stranger, "odo", $"guess-number-{i}"))
            .StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        var held = await TryAsync(stranger, "odo", "orchard-demo-1");
        held.StatusCode.ShouldBe(HttpStatusCode.TooManyRequests, "the right password, too: nothing is learnt");
        held.Headers.RetryAfter!.Delta!.Value.ShouldBeInRange(TimeSpan.FromMinutes(14), SignInGuard.Window);
        await odo.EnterAsync("odo");
        // A name that nobody has is held off after as many.
        for (var i = 0; i < SignInGuard.MostAtPlace; i++) (await TryAsync(stranger, "nobody-at-all", "x"))
            .StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        for (var i = 0; i < 5; i++) (await TryAsync(stranger, "nobody-at-all", "x")).StatusCode.ShouldBe(HttpStatusCode.TooManyRequests);
        // An administrator sees it, and lets him in.
        var admin = await own.As("admin");
        (await admin.GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people")).Single(p => p.UserName == "odo")
            .WrongTries.ShouldBe(SignInGuard.MostAtPlace);
        (await admin.PostAsync($"/api/people/{await IdOfAsync(admin, "odo")}/unlock")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await stranger.EnterAsync("odo");
        // The trail has one line of each name held off, however often it was tried on.
        (await admin.GetAsync<List<AuditEndpoints.AuditLine>>("/api/audit")).Count(a => a.Kind == "SignInHeldOff").ShouldBe(2);
    }

    [Fact]
    public void Tries_count_from_their_beginning_by_name_place_and_address_and_only_for_a_while()
    {
        var clock = new SteppingClock();
        var guard = new SignInGuard(clock);
        // A hundred at once are no more than five.
        Enumerable.Range(0, 100).AsParallel().Count(_ => guard.Begin("odo", "10.0.0.1", null).Begun is not null).ShouldBe(SignInGuard.MostAtPlace);
        guard.Begin("ODO ", "10.0.0.1", null).Begun.ShouldBeNull("the same name however it is typed");
        guard.Begin("odo", "10.0.0.2", null).Begun.ShouldNotBeNull("another address tries for itself");
        // Many addresses on one name: then only a browser known here.
        for (var i = 3; guard.TriesOf("odo") < SignInGuard.MostOfName; i++) guard.Begin("odo", $"10.0.0.{i}", null).Begun.ShouldNotBeNull();
        guard.Begin("odo", "10.0.1.1", null).Begun.ShouldBeNull();
        var own = guard.Begin("odo", "10.0.1.1", "browser a").Begun!;
        guard.Right(own);
        // A known browser that guesses is held off as well.
        for (var i = 0; i < SignInGuard.MostAtPlace; i++) guard.Begin("odo", "10.0.1.1", "browser b").Begun.ShouldNotBeNull();
        guard.Begin("odo", "10.0.1.1", "browser b").Begun.ShouldBeNull();
        // One address on many names.
        for (var i = 0; i < SignInGuard.MostFromAddress; i++) guard.Begin($"name {i}", "10.0.2.1", null).Begun.ShouldNotBeNull();
        guard.Begin("marta", "10.0.2.1", null).Wait.ShouldBeInRange(TimeSpan.FromMinutes(14), SignInGuard.Window);
        guard.Begin("marta", "10.0.2.1", "browser m").Begun.ShouldNotBeNull();
        // Held off for an address it is told once, whatever names are tried from it.
        guard.Begin("name 700", "10.0.2.1", null).IsNews.ShouldBeFalse();
        clock.Forward(SignInGuard.Window);
        guard.TriesOf("odo").ShouldBe(0);
        guard.Begin("marta", "10.0.2.1", null).Begun.ShouldNotBeNull();
    }

    [Fact]
    public void A_password_that_is_right_while_the_code_is_asked_gives_no_further_tries() => Gen.Int[0, 40].Sample(tries =>
    {
        var guard = new SignInGuard(new SteppingClock());
        var wrongCodes = 0;
        for (var i = 0; i < tries; i++)
        {
            if (guard.Begin("odo", "a", null).Begun is { } password) guard.TakeBack(password);
            if (guard.Begin("odo", "a", null).Begun is not null) wrongCodes++;
        }

        wrongCodes.ShouldBe(Math.Min(tries, SignInGuard.MostAtPlace));
    });

    [Fact]
    public async Task A_session_ends_when_nothing_is_done_and_at_the_latest_after_its_life()
    {
        var clock = new SteppingClock();
        await using var own = Workshop.With(null, services => services.Replace(ServiceDescriptor.Singleton<TimeProvider>(clock)));
        var ines = await own.As("ines");
        for (var i = 0; i < 24; i++)
        {
            clock.Forward(TimeSpan.FromMinutes(29));
            (await StatusAsync(ines)).ShouldBe(200);
        }

        clock.Forward(TimeSpan.FromMinutes(25));
        (await StatusAsync(ines)).ShouldBe(401, "twelve hours are over, whatever was done in them");
        (await ines.GetAsync<SessionEndpoints.SessionView>("/api/session")).Ended.ShouldBe(Store.Entities.SessionEnd.Expired);
        var idle = await own.As("ines");
        clock.Forward(TimeSpan.FromMinutes(31));
        (await StatusAsync(idle)).ShouldBe(401);
        // A session nobody asks for any more is ended by itself.
        var forgotten = await own.As("marta");
        clock.Forward(TimeSpan.FromHours(13));
        await own.Services.GetRequiredService<SessionBook>().SweepAsync();
        (await (await own.As("admin")).GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people")).Single(p => p.UserName == "marta")
            .Sessions.ShouldBe(0);
        (await StatusAsync(forgotten)).ShouldBe(401);
    }

    [Fact]
    public async Task What_counts_is_asked_for_again_each_time_a_release_is_and_administration_for_ten_minutes()
    {
        var clock = new SteppingClock();
        await using var own = Workshop.With(null, services => services.Replace(ServiceDescriptor.Singleton<TimeProvider>(clock)));
        var odo = await own.As("odo");
        odo.SaysAgain = false;
        (await Somebody.ProblemOf(await odo.PostAsync("/api/revisions/2/release"), HttpStatusCode.Forbidden)).GetProperty("asks")
            .GetString().ShouldBe("confirm");
        await Somebody.ProblemOf(await odo.PostAsync("/api/session/confirm", new { password = "wrong-wrong-1" }), HttpStatusCode.BadRequest);
        (await Somebody.ProblemOf(await odo.PostAsync("/api/revisions/2/release"), HttpStatusCode.Forbidden)).GetProperty("asks")
            .GetString().ShouldBe("confirm");
        (await odo.PostAsync("/api/session/confirm", new { password = "orchard-demo-1" })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Somebody.ProblemOf(await odo.PostAsync("/api/revisions/2/release"), HttpStatusCode.Conflict)).TryGetProperty("asks", out _)
            .ShouldBeFalse("asked and answered; the values are not read yet");
        (await Somebody.ProblemOf(await odo.PostAsync("/api/revisions/2/release"), HttpStatusCode.Forbidden)).GetProperty("asks")
            .GetString().ShouldBe("confirm");
        for (var i = 0; i < SignInGuard.MostAtPlace; i++) await Somebody.ProblemOf(await odo.PostAsync("/api/session/confirm",
            new { password = "wrong-wrong-1" }), HttpStatusCode.BadRequest);
        (await odo.PostAsync("/api/session/confirm", new { password = "orchard-demo-1" })).StatusCode.ShouldBe(HttpStatusCode.TooManyRequests);
        var admin = await own.As("admin");
        (await admin.Http.GetAsync("/api/mail")).StatusCode.ShouldBe(HttpStatusCode.OK);
        admin.SaysAgain = false;
        (await admin.Http.GetAsync("/api/mail")).StatusCode.ShouldBe(HttpStatusCode.OK);
        clock.Forward(SessionBook.Confirmed + TimeSpan.FromSeconds(1));
        (await admin.Http.GetAsync("/api/mail")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
    }

    // RFC 6238, appendix B (SHA-1, secret “12345678901234567890”): the last six of its eight figures.
    [Theory]
    [InlineData(59, "287082")]
    [InlineData(1111111109, "081804")]
    [InlineData(1111111111, "050471")]
    [InlineData(1234567890, "005924")]
    [InlineData(2000000000, "279037")]
    [InlineData(20000000000, "353130")]
    public void Codes_are_those_of_the_standard(long seconds, string code)
    {
        var secret = "12345678901234567890"u8.ToArray();
        SecondFactor At(long at) => new(null!, null!, new FixedClock(DateTimeOffset.FromUnixTimeSeconds(at)));
        At(seconds).StepOf(secret, code).ShouldBe(seconds / 30);
        At(seconds + 30).StepOf(secret, code[..3] + " " + code[3..]).ShouldBe(seconds / 30, "one step of grace, and written in two halves");
        At(seconds + 90).StepOf(secret, code).ShouldBeNull();
    }

    private sealed class FixedClock(DateTimeOffset at) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => at;
    }

    [Fact]
    public async Task A_code_opens_once_a_recovery_code_opens_once_and_the_password_alone_opens_nothing()
    {
        var clock = new SteppingClock();
        await using var own = Workshop.With(null, services => services.Replace(ServiceDescriptor.Singleton<TimeProvider>(clock)));
        var odo = await own.As("odo");
        var setup = (await (await odo.PostAsync("/api/me/factor")).Content.ReadFromJsonAsync<SecondFactor.Setup>(SheetJson.Options))!;
        var totp = new Totp(Base32Encoding.ToBytes(setup.Secret.Replace(" ", "")));
        string Now() => totp.ComputeTotp(clock.GetUtcNow().UtcDateTime);
        await Somebody.ProblemOf(await odo.Http.PutAsJsonAsync("/api/me/factor", new { code = "12345" }), HttpStatusCode.BadRequest);
        var codes = (await (await odo.Http.PutAsJsonAsync("/api/me/factor", new { code = Now() }))
            .Content.ReadFromJsonAsync<MeEndpoints.Codes>(SheetJson.Options))!.RecoveryCodes;
        codes.Distinct().Count().ShouldBe(SecondFactor.RecoveryCodes);

        var other = await own.As(null);
        (await Somebody.ProblemOf(await TryAsync(other, "odo", "orchard-demo-1"), HttpStatusCode.Unauthorized)).GetProperty("asks")
            .GetString().ShouldBe("code");
        (await StatusAsync(other)).ShouldBe(401);
        await Somebody.ProblemOf(await TryAsync(other, "odo", "orchard-demo-1", Now()), HttpStatusCode.Unauthorized);
        clock.Forward(TimeSpan.FromSeconds(60));
        await other.EnterAsync("odo", code: Now());
        await Somebody.ProblemOf(await TryAsync(await own.As(null), "odo", "orchard-demo-1", Now()), HttpStatusCode.Unauthorized);
        var third = await own.As(null);
        await third.EnterAsync("odo", code: codes[3].ToLowerInvariant());
        await Somebody.ProblemOf(await TryAsync(await own.As(null), "odo", "orchard-demo-1", codes[3]), HttpStatusCode.Unauthorized);
        (await third.GetAsync<MeEndpoints.MeView>("/api/me")).RecoveryCodes.ShouldBe(SecondFactor.RecoveryCodes - 1);
        // Neither the secret nor a code stands in the database as it is.
        var text = System.Text.Encoding.Latin1.GetString(await File.ReadAllBytesAsync(own.Database)) + System.Text.Encoding.Latin1.GetString(await File.ReadAllBytesAsync(own.Database + "-wal"));
        foreach (var secret in (string[])[setup.Secret.Replace(" ", ""), codes[0], codes[0].Replace("-", "")]) text.ShouldNotContain(secret);
        // New codes void the former; the factor goes, and the password opens again.
        await third.PostAsync("/api/me/recovery-codes");
        await Somebody.ProblemOf(await TryAsync(await own.As(null), "odo", "orchard-demo-1", codes[4]), HttpStatusCode.Unauthorized);
        (await third.Http.DeleteAsync("/api/me/factor")).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        await own.As("odo");
    }

    [Theory]
    [InlineData("short-one", "too short")]
    [InlineData("password1234", "tried first")]
    [InlineData("P@ssw0rd2026!", "tried first")]
    [InlineData("1q2w3e4r5t6y", "tried first")]
    [InlineData("aaaaaaaaaaaaaaaa", "said again")]
    [InlineData("abcabcabcabcabc", "said again")]
    [InlineData("abcdefghijklmnop", "neighbours")]
    [InlineData("wornpath-1234", "your name")]
    [InlineData("ines.aldaro12", "your name")]
    public void A_password_that_is_tried_first_is_refused(string password, string why) =>
        PasswordRules.Check(password, "ines", "Ines Aldaro", "ines@shop.example")!.ToString().ShouldContain(why);

    [Theory]
    [InlineData("apple cart on the hill")]
    [InlineData("längst vergessen, aber gut")]
    [InlineData("🔧🔩🪛 and some words")]
    [InlineData("correct horse battery staple")]
    public void Any_other_is_taken_whatever_is_in_it(string password) => PasswordRules.Check(password, "ines", "Ines Aldaro").ShouldBeNull();

    private static async Task<string> IdOfAsync(Somebody admin, string userName) =>
        (await admin.GetAsync<List<PeopleEndpoints.PersonLine>>("/api/people")).Single(p => p.UserName == userName).Id;
}
