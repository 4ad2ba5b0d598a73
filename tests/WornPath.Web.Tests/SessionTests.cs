using System.Net;

namespace WornPath.Web.Tests;

public sealed class SessionTests(Workshop workshop) : IClassFixture<Workshop>
{
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
        var form = new { userName = "rask2", name = "Second Rask", roles = new[] { "author" } };
        (await (await workshop.As("odo")).PostAsync("/api/people", form)).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
        await (await workshop.As("admin")).InviteAsync(workshop.Nobody(), "rask2", "Second Rask", "author");
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

    // What an installer sees of what is released; who may call what at all is in AccessTests.
    [Theory]
    [InlineData("/api/revisions/3/print", 200)]
    [InlineData("/api/revisions/3/chart", 200)]
    [InlineData("/api/revisions/4/ready", 200)]
    [InlineData("/api/revisions/3/values", 200)]
    [InlineData("/api/revisions/3/tools", 200)]
    [InlineData("/api/revisions/3/slips/J1", 200)]
    [InlineData("/api/revisions/3/refit?phase=h2", 200)]
    [InlineData("/api/revisions/3/reach/P4", 200)]
    [InlineData("/api/revisions/3/reach/J1", 404)]
    [InlineData("/api/revisions/2/print", 404)]
    [InlineData("/api/nothing/here", 404)]
    public async Task An_installer_sees_what_is_released(string path, int status) => ((int)(await (await workshop.As("tilde")).Http.GetAsync(path)).StatusCode).ShouldBe(status);
}
