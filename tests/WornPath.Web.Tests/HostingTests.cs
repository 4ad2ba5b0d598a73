using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Web.Tests;

/// <summary>What who runs the server relies on: addresses, headers, health, measures, logs, rights of files.</summary>
public sealed partial class HostingTests(Workshop workshop) : IClassFixture<Workshop>
{
    [Theory]
    [InlineData("/nothing", 404)]
    [InlineData("/nothing.css", 404)]
    [InlineData("/r/1/nothing", 404)]
    [InlineData("/r/x/write", 404)]
    [InlineData("/health", 404)]
    [InlineData("/api/nothing", 404)]
    [InlineData("/health/live", 200)]
    [InlineData("/health/ready", 200)]
    [InlineData("/metrics", 401)]
    [InlineData("/openapi/v1.json", 401)]
    public async Task An_address_that_is_none_is_not_there(string path, int status)
    {
        var answer = await (await workshop.As(null)).Http.GetAsync(path);
        ((int)answer.StatusCode).ShouldBe(status);
        if (status >= 400) answer.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
    }

    [Fact]
    public async Task A_method_or_a_form_that_an_address_does_not_take_is_told()
    {
        var ines = await workshop.As("ines");
        (await Somebody.ProblemOf(await ines.Http.PutAsJsonAsync("/api/procedures", new { }), HttpStatusCode.MethodNotAllowed))
            .GetProperty("detail").GetString()!.ShouldContain("POST");
        (await Somebody.ProblemOf(await ines.Http.PostAsync("/api/procedures",
            new StringContent("<a/>", System.Text.Encoding.UTF8, "application/xml")), HttpStatusCode.UnsupportedMediaType))
            .GetProperty("title").GetString()!.ShouldContain("application/xml");
    }

    [Fact]
    public async Task Behind_https_cookies_are_for_https_alone_and_what_the_api_says_is_kept_by_nobody()
    {
        await using var tls = Workshop.Set(null, null, ("WornPath:Demo", "true"), ("WornPath:PublicUrl", "https://sheets.example"));
        var ines = tls.Nobody("https://sheets.example");
        await ines.EnterAsync("ines");
        var answer = await ines.Http.PostAsJsonAsync("/api/session", new { userName = "ines", password = "orchard-demo-1" });
        var cookies = answer.Headers.GetValues("Set-Cookie").ToList();
        cookies.Select(c => c.Split('=')[0]).ShouldContain("__Host-wornpath");
        cookies.ShouldAllBe(c => c.Contains("secure", StringComparison.OrdinalIgnoreCase)
            && c.Contains("httponly", StringComparison.OrdinalIgnoreCase) && c.Contains("samesite=strict", StringComparison.OrdinalIgnoreCase));
        answer.Headers.GetValues("Strict-Transport-Security").Single().ShouldStartWith("max-age=31536000");
        answer.Headers.CacheControl!.NoStore.ShouldBeTrue();
        answer.Headers.Contains("Server").ShouldBeFalse();
        foreach (var header in (string[])["Cross-Origin-Opener-Policy", "Permissions-Policy",
            "Referrer-Policy"]) answer.Headers.Contains(header).ShouldBeTrue(header);
        var policy = answer.Headers.GetValues("Content-Security-Policy").Single();
        Directive(policy, "style-src").ShouldNotContain("unsafe-inline");
        Directive(policy, "script-src").ShouldBe("script-src 'self'");
        // A name that is not ours is answered by nobody.
        (await tls.Nobody("https://evil.example").Http.GetAsync("/api/session")).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }

    private static string Directive(string policy, string name) => policy.Split(';', StringSplitOptions.TrimEntries)
        .Single(d => d.StartsWith(name + " "));

    [Fact]
    public async Task Times_leave_with_their_zone()
    {
        var admin = await workshop.As("admin");
        var times = new List<string>();
        foreach (var path in (string[])["/api/procedures", "/api/revisions/3", "/api/revisions/3/values", "/api/people", "/api/me",
            "/api/audit", "/api/revisions/3/print"])
            times.AddRange(Time().Matches(await admin.Http.GetStringAsync(path)).Select(m => m.Value));
        times.Count.ShouldBeGreaterThan(20);
        times.ShouldAllBe(t => t.EndsWith('Z'));
    }

    [Fact]
    public async Task Every_answer_of_the_api_is_saved_and_not_shown_where_it_is_opened_as_a_page() =>
        (await (await workshop.As("ines")).Http.GetAsync("/api/procedures"))
            .Content.Headers.ContentDisposition!.DispositionType.ShouldBe("attachment");

    // Nobody named a proxy here: what is forwarded is not believed.
    [Fact]
    public async Task What_nobody_named_forwards_is_not_believed()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-proxy-").FullName;
        var port = RealServer.FreePort();
        using var server = RealServer.Start(data, port);
        using var http = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        await RealServer.UpAsync(http);
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/session");
        request.Headers.Add("X-Forwarded-Proto", "https");
        using var fresh = new HttpClient { BaseAddress = http.BaseAddress };
        using var answer = await fresh.SendAsync(request);
        answer.Headers.Contains("Strict-Transport-Security").ShouldBeFalse();
        answer.Headers.GetValues("Set-Cookie").ShouldAllBe(c => !c.Contains("secure"));
        server.Kill();
        await server.WaitForExitAsync();
        Directory.Delete(data, recursive: true);
    }

    [GeneratedRegex("""\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d[^"]*""")]
    private static partial Regex Time();

    [Fact]
    public async Task Readiness_fails_when_the_disk_is_full_or_the_database_is_gone_and_the_server_still_lives()
    {
        await using var full = Workshop.Set(null, null, ("WornPath:Demo", "true"), ("WornPath:LeastDiskMegabytes", "999999999999"));
        (await full.Nobody().Http.GetAsync("/health/ready")).StatusCode.ShouldBe(HttpStatusCode.ServiceUnavailable);
        await using var gone = new Workshop();
        (await gone.Nobody().Http.GetAsync("/health/ready")).StatusCode.ShouldBe(HttpStatusCode.OK);
        File.Move(gone.Database, gone.Database + ".away");
        await Task.Delay(2100);
        (await gone.Nobody().Http.GetAsync("/health/ready")).StatusCode.ShouldBe(HttpStatusCode.ServiceUnavailable);
        (await gone.Nobody().Http.GetAsync("/health/live")).StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Measures_are_for_who_has_the_token_and_count_what_happens()
    {
        await using var measured = Workshop.Set(null, null, ("WornPath:Demo", "true"), ("WornPath:MetricsToken", "a-token-of-the-scraper"));
        var ines = await measured.As("ines");
        (await ines.Http.GetAsync("/metrics")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        var id = await ines.NewAsync("M-1");
        await ines.EditAsync(id, new AddThing(ThingKind.Part, "cover", false));
        (await ines.TryEditAsync(id, new AddThing(ThingKind.Part, "", false))).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        var scraper = measured.Nobody().Http;
        scraper.DefaultRequestHeaders.Authorization = new("Bearer", "another-token");
        (await scraper.GetAsync("/metrics")).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        scraper.DefaultRequestHeaders.Authorization = new("Bearer", "a-token-of-the-scraper");
        // Servers of other tests in this process count along: more than none is all that can be said.
        var text = await scraper.GetStringAsync("/metrics");
        text.ShouldContain("wornpath_access_total{");
        text.ShouldContain("kind=\"SignedIn\"");
        Regex.IsMatch(text, """wornpath_edits_total\{[^}]*taken="true"[^}]*\} [1-9]""").ShouldBeTrue(text);
        Regex.IsMatch(text, """wornpath_edits_total\{[^}]*taken="false"[^}]*\} [1-9]""").ShouldBeTrue();
        text.ShouldContain("wornpath_pages");
        text.ShouldContain("http_server_request_duration_seconds");
    }

    [Fact]
    public async Task The_log_has_times_sign_ins_and_refusals_and_no_text_of_a_step_and_the_folder_is_nobody_elses()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-log-").FullName;
        if (!OperatingSystem.IsWindows()) File.SetUnixFileMode(data, (UnixFileMode)0b111_101_101);
        var port = RealServer.FreePort();
        using var server = RealServer.Start(data, port, ("WornPath__Logs", "json"), ("Logging__LogLevel__Default", "Debug"),
            ("WornPath__Proxies", "127.0.0.1"));
        var lines = new List<string>();
        server.OutputDataReceived += (_, line) =>
        {
            if (line.Data is { } text) lock (lines) lines.Add(text);
        };
        using var handler = new HttpClientHandler();
        var again = new SayingAgain { InnerHandler = handler };
        var ines = new Somebody(new HttpClient(again) { BaseAddress = new Uri($"http://127.0.0.1:{port}") }, handler.CookieContainer, again);
        await RealServer.UpAsync(ines.Http);
        // What the proxy forwards is believed: the address, and that it was https.
        ines.Http.DefaultRequestHeaders.Add("X-Forwarded-For", "203.0.113.9");
        await ines.EnterAsync("ines");
        var id = await ines.NewAsync("G-1");
        var phase = (await ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id;
        await ines.EditAsync(id, new InsertStep(null, phase, null, "Take the zebrawood cover off."));
        (await ines.TryEditAsync(id, new WriteStep("no-such-step", "zebrawood", "zebrawood"))).IsSuccessStatusCode.ShouldBeFalse();
        (await ines.Http.GetAsync("/api/people")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        using var secure = new HttpRequestMessage(HttpMethod.Get, "/api/session");
        secure.Headers.Add("X-Forwarded-Proto", "https");
        var answer = await new HttpClient { BaseAddress = ines.Http.BaseAddress }.SendAsync(secure);
        answer.Headers.GetValues("Set-Cookie").ShouldAllBe(c => c.Contains("secure"));
        answer.Headers.Contains("Strict-Transport-Security").ShouldBeTrue();
        server.Kill();
        await server.WaitForExitAsync();

        string[] said;
        lock (lines) said = [.. lines];
        var entries = said.Select(l => JsonDocument.Parse(l).RootElement).ToList();
        entries.ShouldAllBe(e => e.GetProperty("Timestamp").GetString()!.EndsWith('Z'));
        var messages = entries.ConvertAll(e => e.GetProperty("Message").GetString()!);
        messages.ShouldContain(m => m.StartsWith("Access: SignedIn by ines") && m.Contains("203.0.113.9"));
        messages.ShouldContain(m => m.StartsWith("Refused: GET /api/people to ines"));
        string.Join('\n', said).ShouldNotContain("zebrawood");
        if (!OperatingSystem.IsWindows()) File.GetUnixFileMode(data)
            .ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        Directory.Delete(data, recursive: true);
    }

    [Fact]
    public async Task A_folder_of_other_things_is_refused_and_left_as_it_is()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-others-").FullName;
        await File.WriteAllTextAsync(Path.Combine(data, "letter.txt"), "not ours");
        if (!OperatingSystem.IsWindows()) File.SetUnixFileMode(data, (UnixFileMode)0b111_101_101);
        using var server = RealServer.Start(data, RealServer.FreePort());
        (await server.StandardError.ReadToEndAsync()).ShouldStartWith($"Worn Path does not start. The data folder {data} holds other things (letter.txt).");
        await server.WaitForExitAsync();
        server.ExitCode.ShouldBe(3);
        if (!OperatingSystem.IsWindows()) File.GetUnixFileMode(data).ShouldBe((UnixFileMode)0b111_101_101);
        Directory.GetFileSystemEntries(data).ShouldHaveSingleItem();
        Directory.Delete(data, recursive: true);
    }

    [Fact]
    public async Task A_real_database_is_not_turned_into_a_demo_and_its_first_administrator_comes_in_by_the_link_that_is_told()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-real-").FullName;
        var port = RealServer.FreePort();
        using (var first = RealServer.Start(data, port, ("WornPath__Demo", "false")))
        {
            var told = new TaskCompletionSource<string>();
            first.OutputDataReceived += (_, line) =>
            {
                if (line.Data is { } text && text.Contains("/join#")) told.TrySetResult(text);
            };
            var address = Regex.Match(await told.Task.WaitAsync(TimeSpan.FromSeconds(60)), @"http\S+").Value;
            address.ShouldStartWith($"http://127.0.0.1:{port}/join#");
            using var handler = new HttpClientHandler();
            var again = new SayingAgain { InnerHandler = handler };
            var admin = new Somebody(new HttpClient(again) { BaseAddress = new Uri($"http://127.0.0.1:{port}") }, handler.CookieContainer, again);
            await RealServer.UpAsync(admin.Http);
            await admin.TokenAsync();
            await admin.JoinAsync(address.Split('#')[1], "long-enough-1");
            await admin.EnterAsync("admin", "long-enough-1");
            first.Kill();
            await first.WaitForExitAsync();
        }

        using var demo = RealServer.Start(data, RealServer.FreePort());
        (await demo.StandardError.ReadToEndAsync())
            .ShouldStartWith($"Worn Path does not start. The database in {data} is a real one and cannot be turned into a demo.");
        await demo.WaitForExitAsync();
        demo.ExitCode.ShouldBe(3);
        Directory.Delete(data, recursive: true);
    }
}
