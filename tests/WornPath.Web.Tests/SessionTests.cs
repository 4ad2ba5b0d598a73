using System.Net;
using System.Net.Http.Json;

namespace WornPath.Web.Tests;

public sealed class SessionTests(Workshop workshop) : IClassFixture<Workshop>
{
    [Fact]
    public async Task Five_wrong_passwords_lock_the_name_even_for_the_right_one()
    {
        var nobody = await workshop.As(null);
        for (var i = 0; i < 4; i++) (await nobody.PostAsync("/api/session", new { userName = "marta", password = "wrong-wrong-1" })).StatusCode.ShouldBe(HttpStatusCode.Unauthorized);
        await nobody.PostAsync("/api/session", new { userName = "marta", password = "wrong-wrong-1" });
        (await Somebody.ProblemOf(await nobody.PostAsync("/api/session", new { userName = "marta", password = "orchard-demo-1" }), HttpStatusCode.Locked)).GetProperty("title").GetString()!.ShouldContain("locked");
    }

    [Fact]
    public async Task An_unknown_name_and_a_wrong_password_look_the_same()
    {
        var nobody = await workshop.As(null);
        var unknown = await (await nobody.PostAsync("/api/session", new { userName = "nobody-here", password = "x" })).Content.ReadAsStringAsync();
        var wrong = await (await nobody.PostAsync("/api/session", new { userName = "tilde", password = "x" })).Content.ReadAsStringAsync();
        static string WithoutTrace(string json) => System.Text.RegularExpressions.Regex.Replace(json, "\"traceId\":\"[^\"]*\"", "");
        WithoutTrace(unknown).ShouldBe(WithoutTrace(wrong));
    }

    [Fact]
    public async Task A_change_without_the_token_is_refused()
    {
        var ines = await workshop.As("ines");
        ines.Http.DefaultRequestHeaders.Remove("X-CSRF-TOKEN");
        (await Somebody.ProblemOf(await ines.PostAsync("/api/procedures", new { number = "X-1", title = "x" }), HttpStatusCode.BadRequest)).GetProperty("title").GetString()!.ShouldContain("out of date");
    }

    [Fact]
    public async Task An_administrator_adds_people_and_nobody_else_does()
    {
        var form = new { userName = "rask2", name = "Second Rask", password = "long-enough-1", roles = new[] { "author" } };
        (await (await workshop.As("odo")).PostAsync("/api/people", form)).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        (await (await workshop.As("admin")).PostAsync("/api/people", form)).StatusCode.ShouldBe(HttpStatusCode.Created);
        var fresh = await workshop.As(null);
        await fresh.EnterAsync("rask2", "long-enough-1");
        await fresh.NewAsync("R-1");
    }

    [Fact]
    public async Task Headers_keep_strange_scripts_and_frames_out()
    {
        var answer = await (await workshop.As(null)).Http.GetAsync("/api/session");
        answer.Headers.GetValues("Content-Security-Policy").Single().ShouldContain("default-src 'self'");
        answer.Headers.GetValues("X-Content-Type-Options").Single().ShouldBe("nosniff");
        var cookies = answer.Headers.TryGetValues("Set-Cookie", out var set) ? set : [];
        cookies.ShouldAllBe(c => c.Contains("httponly", StringComparison.OrdinalIgnoreCase));
    }

    // Every endpoint of the API against every kind of caller: what is not meant for them answers 401 or 403.
    [Theory]
    [InlineData(null, "GET", "/api/procedures", 401)]
    [InlineData(null, "POST", "/api/procedures", 401)]
    [InlineData(null, "GET", "/api/revisions/1", 401)]
    [InlineData(null, "POST", "/api/revisions/1/edits", 401)]
    [InlineData(null, "GET", "/api/fields", 401)]
    [InlineData("tilde", "GET", "/api/revisions/1", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/bench?step=1", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/print", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/file", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/changes?since=0", 404)]
    [InlineData("tilde", "GET", "/api/revisions/3/print", 200)]
    [InlineData("tilde", "POST", "/api/procedures", 403)]
    [InlineData("tilde", "POST", "/api/revisions/1/edits", 403)]
    [InlineData("tilde", "POST", "/api/revisions/1/undo", 403)]
    [InlineData("odo", "POST", "/api/revisions/1/edits", 403)]
    [InlineData("odo", "POST", "/api/revisions/1/send", 403)]
    [InlineData("ines", "POST", "/api/revisions/2/release", 403)]
    [InlineData("ines", "POST", "/api/revisions/2/return", 403)]
    [InlineData("ines", "POST", "/api/revisions/3/withdraw", 403)]
    [InlineData(null, "GET", "/api/revisions/1/chart", 401)]
    [InlineData(null, "GET", "/api/revisions/1/ready", 401)]
    [InlineData(null, "PUT", "/api/revisions/1/ready", 401)]
    [InlineData("tilde", "GET", "/api/revisions/1/chart", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/ready", 404)]
    [InlineData("tilde", "GET", "/api/revisions/3/chart", 200)]
    [InlineData("tilde", "GET", "/api/revisions/4/ready", 200)]
    [InlineData("tilde", "GET", "/api/revisions/1/sort?phase=h1", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/mirror?phase=h1", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/blocks", 404)]
    [InlineData("tilde", "POST", "/api/revisions/1/blocks", 403)]
    [InlineData("ines", "POST", "/api/revisions/2/waivers", 403)]
    [InlineData("ines", "POST", "/api/revisions/2/waivers/1/take-back", 403)]
    [InlineData(null, "GET", "/api/revisions/3/values", 401)]
    [InlineData("tilde", "GET", "/api/revisions/2/values", 404)]
    [InlineData("tilde", "GET", "/api/revisions/3/values", 200)]
    [InlineData("ines", "POST", "/api/revisions/2/values", 403)]
    [InlineData("ines", "PUT", "/api/workshop/documents", 403)]
    [InlineData("ines", "PUT", "/api/workshop/blocks", 403)]
    [InlineData("ines", "POST", "/api/workshop/rules/touched", 403)]
    [InlineData(null, "GET", "/api/workshop", 401)]
    [InlineData(null, "GET", "/api/workshop/crib.csv", 401)]
    [InlineData(null, "GET", "/api/calculators", 401)]
    [InlineData(null, "POST", "/api/calculators/units", 401)]
    [InlineData("tilde", "GET", "/api/workshop", 200)]
    [InlineData("tilde", "GET", "/api/workshop/crib.csv", 200)]
    [InlineData("tilde", "GET", "/api/calculators", 200)]
    [InlineData("tilde", "GET", "/api/revisions/1/tools", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/slips/J1", 404)]
    [InlineData("tilde", "GET", "/api/revisions/3/tools", 200)]
    [InlineData("tilde", "GET", "/api/revisions/3/slips/J1", 200)]
    [InlineData(null, "GET", "/api/revisions/3/refit?phase=h1", 401)]
    [InlineData("tilde", "GET", "/api/revisions/1/refit?phase=h1", 404)]
    [InlineData("tilde", "GET", "/api/revisions/1/reach/P1", 404)]
    [InlineData("tilde", "GET", "/api/revisions/3/refit?phase=h2", 200)]
    [InlineData("tilde", "GET", "/api/revisions/3/reach/P4", 200)]
    [InlineData("tilde", "GET", "/api/revisions/3/reach/J1", 404)]
    [InlineData("tilde", "POST", "/api/revisions/1/joint-table", 403)]
    [InlineData("odo", "POST", "/api/revisions/1/joint-table", 403)]
    [InlineData("ines", "PUT", "/api/workshop/crib", 403)]
    [InlineData("ines", "PUT", "/api/workshop/crib.csv", 403)]
    [InlineData("ines", "PUT", "/api/workshop/rules", 403)]
    [InlineData("ines", "GET", "/openapi/v1.json", 403)]
    [InlineData("admin", "GET", "/openapi/v1.json", 200)]
    [InlineData("ines", "GET", "/api/nothing/here", 404)]
    public async Task Every_endpoint_says_who_may_call_it(string? who, string method, string path, int status)
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        if (method != "GET") request.Content = JsonContent.Create(new { });
        ((int)(await (await workshop.As(who)).Http.SendAsync(request)).StatusCode).ShouldBe(status);
    }
}
