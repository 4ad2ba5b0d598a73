using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;

namespace WornPath.Web.Tests;

/// <summary>Every endpoint against every kind of caller, the owner of the procedure, a co-author and another author among them.</summary>
public sealed partial class AccessTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static readonly string[] Callers = ["nobody", "installer", "author", "co-author", "owner", "reviewer", "approver", "administrator"];

    // One letter a caller, in the order of Callers. . not signed in (401), x not this role (403), - not there for this person (404),
    // o refused because it is somebody else's procedure (409), y goes through to the endpoint.
    private const string Table = """
        GET     /api/session                                       yyyyyyyy
        POST    /api/session                                       yyyyyyyy
        DELETE  /api/session                                       .yyyyyyy
        POST    /api/session/confirm                               .yyyyyyy
        GET     /api/session/confirmed                             .yyyyyyy
        POST    /api/join                                          yyyyyyyy
        POST    /api/join/look                                     yyyyyyyy
        GET     /api/me                                            .yyyyyyy
        PUT     /api/me/password                                   .yyyyyyy
        POST    /api/me/factor                                     .yyyyyyy
        PUT     /api/me/factor                                     .yyyyyyy
        DELETE  /api/me/factor                                     .yyyyyyy
        POST    /api/me/recovery-codes                             .yyyyyyy
        DELETE  /api/me/sessions                                   .yyyyyyy
        DELETE  /api/me/sessions/{session:int}                     .yyyyyyy
        GET     /api/people                                        .xxxxxxy
        POST    /api/people                                        .xxxxxxy
        PUT     /api/people/{person}                               .xxxxxxy
        POST    /api/people/{person}/disable                       .xxxxxxy
        POST    /api/people/{person}/enable                        .xxxxxxy
        POST    /api/people/{person}/unlock                        .xxxxxxy
        POST    /api/people/{person}/reset                         .xxxxxxy
        GET     /api/mail                                          .xxxxxxy
        GET     /api/audit                                         .xxxxxxy
        GET     /api/audit/lines                                   .xxxxxxy
        GET     /api/people/authors                                .xyyyyyy
        GET     /api/desk                                          .yyyyyyy
        GET     /api/uses                                          .yyyyyyy
        GET     /api/uses/{name:int}                               .yyyyyyy
        GET     /api/uses/former-editions                          .xyyyyyy
        GET     /api/procedures                                    .yyyyyyy
        GET     /api/procedures/filters                            .yyyyyyy
        POST    /api/procedures                                    .xyyyxxx
        POST    /api/procedures/file                               .xyyyxxx
        POST    /api/procedures/written                            .xyyyxxx
        POST    /api/procedures/written/preview                    .xyyyxxx
        POST    /api/procedures/{procedure:int}/ask                .xyyyxxx
        POST    /api/procedures/{procedure:int}/authors            .xooyooy
        DELETE  /api/procedures/{procedure:int}/authors/{person}   .xooyooy
        POST    /api/procedures/{procedure:int}/owner              .xooyooy
        GET     /api/revisions/{id:int}                            .-yyyyyy
        GET     /api/revisions/{id:int}/changes                    .-yyyyyy
        GET     /api/revisions/{id:int}/bench                      .-yyyyyy
        GET     /api/revisions/{id:int}/file                       .-yyyyyy
        GET     /api/revisions/{id:int}/print                      .-yyyyyy
        GET     /api/revisions/{id:int}/differences                .-yyyyyy
        GET     /api/revisions/{id:int}/export/{format}            .-yyyyyy
        GET     /api/export-formats                                .yyyyyyy
        GET     /api/paper                                         .yyyyyyy
        POST    /api/revisions/{id:int}/pdf                        .-yyyyyy
        GET     /api/pdf/{ticket:guid}                             .yyyyyyy
        GET     /api/pdf/{ticket:guid}/file                        .yyyyyyy
        POST    /api/revisions/{id:int}/pictures                   .xoyyxxx
        GET     /api/revisions/{id:int}/pictures/{key}             .-yyyyyy
        GET     /api/revisions/{id:int}/slips/{joint}              .-yyyyyy
        GET     /api/revisions/{id:int}/tools                      .-yyyyyy
        GET     /api/revisions/{id:int}/refit                      .-yyyyyy
        GET     /api/revisions/{id:int}/reach/{part}               .-yyyyyy
        GET     /api/revisions/{id:int}/sort                       .-yyyyyy
        GET     /api/revisions/{id:int}/mirror                     .-yyyyyy
        GET     /api/revisions/{id:int}/blocks                     .-yyyyyy
        GET     /api/revisions/{id:int}/ahead                      .xyyyxxx
        GET     /api/words                                         .yyyyyyy
        GET     /api/revisions/{id:int}/chart                      .-yyyyyy
        GET     /api/revisions/{id:int}/steps/{step}/mending       .xyyyxxx
        GET     /api/revisions/{id:int}/steps/{step}/plain-words   .xyyyxxx
        GET     /api/revisions/{id:int}/ready                      .-yyyyyy
        PUT     /api/revisions/{id:int}/ready                      .-yyyyyy
        GET     /api/revisions/{id:int}/values                     .-yyyyyy
        GET     /api/revisions/{id:int}/comments                   .-yyyyyy
        POST    /api/revisions/{id:int}/comments                   .-yyyyyy
        POST    /api/revisions/{id:int}/comments/{comment:int}     .-yyyyyy
        POST    /api/revisions/{id:int}/comments/{comment:int}/settle .-yyyyyy
        POST    /api/revisions/{id:int}/comments/{comment:int}/take .xoyyxxx
        POST    /api/revisions/{id:int}/looked                     .xxxxyyx
        POST    /api/revisions/{id:int}/edits                      .xoyyxxx
        POST    /api/revisions/{id:int}/undo                       .xoyyxxx
        POST    /api/revisions/{id:int}/redo                       .xoyyxxx
        POST    /api/revisions/{id:int}/send                       .xoyyxxx
        POST    /api/revisions/{id:int}/revise                     .xoyyxxx
        POST    /api/revisions/{id:int}/joint-table                .xyyyxxx
        POST    /api/revisions/{id:int}/blocks                     .xyyyxxx
        POST    /api/revisions/{id:int}/call-back                  .xoyyxxx
        POST    /api/revisions/{id:int}/return                     .xxxxyyx
        POST    /api/revisions/{id:int}/sign                       .xxxxyyx
        GET     /api/revisions/{id:int}/record                     .xyyyyyy
        GET     /api/revisions/{id:int}/record/{line:int}          .xyyyyyy
        POST    /api/revisions/{id:int}/waivers                    .xxxxyyx
        POST    /api/revisions/{id:int}/waivers/{waiver:int}/take-back .xxxxyyx
        POST    /api/revisions/{id:int}/values                     .xxxxyyx
        GET     /api/revisions/{id:int}/release                    .xxxxxyx
        POST    /api/revisions/{id:int}/release                    .xxxxxyx
        POST    /api/revisions/{id:int}/withdraw                   .xxxxxyx
        POST    /api/revisions/{id:int}/bulletins                  .xxxxxyx
        POST    /api/revisions/{id:int}/bulletins/{bulletin:int}/take-back .xxxxxyx
        POST    /api/revisions/{id:int}/look-again                 .xxxxxyx
        GET     /api/revisions/{id:int}/holders                    .xyyyyyy
        POST    /api/revisions/{id:int}/held                       .-yyyyyy
        POST    /api/me/calendar                                   .yyyyyyy
        DELETE  /api/me/calendar                                   .yyyyyyy
        GET     /api/calendar/{key}                                yyyyyyyy
        GET     /api/findings/{rule}                               .yyyyyyy
        GET     /api/fields                                        .yyyyyyy
        GET     /api/workshop                                      .yyyyyyy
        GET     /api/workshop/crib.csv                             .yyyyyyy
        GET     /api/workshop/key                                  .yyyyyyy
        PUT     /api/workshop                                      .xxxxxyy
        POST    /api/workshop/crib.csv                             .xxxxxyy
        GET     /api/workshop/pages                                .xyyyyyy
        POST    /api/workshop/pages                                .xyyyxyy
        DELETE  /api/workshop/pages                                .xyyyxyy
        GET     /api/workshop/pages/{key}                          .xyyyyyy
        POST    /api/workshop/words                                .xyyyxxx
        DELETE  /api/workshop/words/{word}                         .xyyyxyy
        POST    /api/workshop/preview                              .xxxxxyy
        GET     /api/calculators                                   .yyyyyyy
        POST    /api/calculators/{id}                              .yyyyyyy
        GET     /api/backup                                        .xxxxxxy
        GET     /api/backup/open                                   .xxxxxxy
        POST    /api/backup/restore                                .xxxxxxy
        DELETE  /api/backup/restore                                .xxxxxxy
        GET     /openapi/{documentName}.json                       .xxxxxxy
        """;

    [Fact]
    public async Task Every_endpoint_lets_through_whom_the_table_says_and_a_new_one_needs_a_row()
    {
        var rows = Table.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => l.Split(' ', StringSplitOptions.RemoveEmptyEntries)).ToDictionary(r => $"{r[0]} {r[1]}", r => r[2]);
        var endpoints = workshop.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>()
            .Where(e => e.Metadata.GetMetadata<HttpMethodMetadata>() is { HttpMethods.Count: > 0 })
            .SelectMany(e => e.Metadata.GetMetadata<HttpMethodMetadata>()!.HttpMethods.Select(m => $"{m} /{e.RoutePattern.RawText!.Trim('/')}"))
            // The hub is no endpoint of its own.
            .Where(e => !e.Contains("/api/live")).Distinct().ToList();
        endpoints.Order().ShouldBe(rows.Keys.Order());

        var callers = await CallersAsync();
        var entered = new Dictionary<int, Somebody>();
        var wrong = new List<string>();
        foreach (var (endpoint, expected) in rows)
        {
            var (method, pattern) = (endpoint.Split(' ')[0], endpoint.Split(' ')[1]);
            for (var i = 0; i < Callers.Length; i++)
            {
                // Some calls end sessions of the one who calls.
                if (pattern.StartsWith("/api/me") || pattern.StartsWith("/api/session"))
                {
                    entered.Clear();
                    _owner = null;
                }

                var (revision, procedure) = await DraftAsync(callers["owner"], callers["co-author"].Name);
                var caller = entered.GetValueOrDefault(i) ?? (entered[i] = await callers[Callers[i]].EnterAsync());
                using var request = new HttpRequestMessage(new HttpMethod(method), Address(pattern, revision, procedure));
                if (method is "POST" or "PUT") request.Content = endpoint.EndsWith("/restore")
                    ? new ByteArrayContent([1]) { Headers = { ContentType = new("application/zip") } }
                    : endpoint.EndsWith("/pictures") || endpoint.EndsWith("/pages") ? new ByteArrayContent([1]) { Headers = { ContentType = new("application/octet-stream") } } : JsonContent.Create(BodyOf(endpoint, callers["author"].Id));
                using var answer = await caller.Http.SendAsync(request);
                var text = await answer.Content.ReadAsStringAsync();
                ((int)answer.StatusCode).ShouldBeLessThan(500, $"{endpoint} {text}");
                var got = answer.StatusCode switch
                {
                    HttpStatusCode.Unauthorized when endpoint != "POST /api/session" => '.',
                    HttpStatusCode.Forbidden => 'x',
                    HttpStatusCode.NotFound when text.Contains("This revision is not there") => '-',
                    HttpStatusCode.Conflict when text.Contains("This procedure is Ines Aldaro’s") => 'o',
                    _ => 'y',
                };
                if (got != expected[i]) wrong.Add($"{endpoint} as {Callers[i]}: {got} ({(int)answer.StatusCode} {text[..Math.Min(160, text.Length)]}), the table says {expected[i]}");
            }
        }

        wrong.ShouldBeEmpty();
    }

    private sealed record Caller(Workshop Workshop, string? Account, string Password, string Name, string Id)
    {
        public async Task<Somebody> EnterAsync()
        {
            var somebody = await Workshop.As(null);
            if (Account is not null) await somebody.EnterAsync(Account, Password);
            return somebody;
        }
    }

    private async Task<Dictionary<string, Caller>> CallersAsync()
    {
        var admin = await workshop.As("admin");
        foreach (var (account, name, role) in ((string, string, string)[])[("alma", "Alma Vind", Roles.Author), ("bert", "Bert Kolle", Roles.Author), ("rita", "Rita Sund", Roles.Reviewer)])
            await admin.InviteAsync(workshop.Nobody(), account, name, role);
        var ids = (await admin.GetAsync<List<Drafting.Someone>>("/api/people/authors")).ToDictionary(p => p.Name, p => p.Id);
        Caller Of(string? account, string name, string password = "orchard-demo-1") => new(workshop, account, password, name, ids.GetValueOrDefault(name, "nobody"));
        return new Dictionary<string, Caller>
        {
            ["nobody"] = Of(null, ""),
            ["installer"] = Of("tilde", "Tilde Rask"),
            ["author"] = Of("alma", "Alma Vind", "long-enough-1"),
            ["co-author"] = Of("bert", "Bert Kolle", "long-enough-1"),
            ["owner"] = Of("ines", "Ines Aldaro"),
            ["reviewer"] = Of("rita", "Rita Sund", "long-enough-1"),
            ["approver"] = Of("odo", "Odo Brandt"),
            ["administrator"] = Of("admin", "Workshop office"),
        };
    }

    private Somebody? _owner;
    private int _number;

    private async Task<(int Revision, int Procedure)> DraftAsync(Caller owner, string coAuthor)
    {
        _owner ??= await owner.EnterAsync();
        var id = await _owner.NewAsync($"A-{++_number}");
        var view = await _owner.RevisionAsync(id);
        await _owner.EditAsync(id, new WriteStep(view.Sheet.Steps.Single().Id, "", "Clean the face."));
        await _owner.ShareAsync(id, coAuthor);
        return (id, view.ProcedureId);
    }

    [GeneratedRegex(@"\{[^}]*\}")]
    private static partial Regex Slot();

    private static string Address(string pattern, int revision, int procedure) => Slot().Replace(pattern, m => m.Value switch
    {
        "{id:int}" => revision.ToString(),
        "{procedure:int}" => procedure.ToString(),
        "{person}" => "no-such-person",
        "{waiver:int}" or "{comment:int}" or "{bulletin:int}" or "{line:int}" or "{name:int}" => "1",
        "{session:int}" => "0",
        "{documentName}" => "v1",
        "{rule}" => "CLO001",
        "{id}" => "units",
        "{joint}" => "J1",
        "{part}" => "P1",
        "{step}" => "S1",
        "{word}" => "frob",
        "{format}" => "markdown",
        "{ticket:guid}" => Guid.Empty.ToString(),
        "{key}" => new string('0', 64) + ".png",
        _ => throw new ArgumentException(m.Value),
    }) + (pattern.EndsWith("/bench") ? "?step=1" : pattern.EndsWith("/changes") ? "?since=0&moves=0" : pattern.EndsWith("/{id:int}/pdf") ? "?paper=A4"
        : pattern.EndsWith("/pages") ? "?source=x"
        : pattern.Contains("refit") || pattern.Contains("sort") || pattern.Contains("mirror") ? "?phase=H1" : "");

    private static object BodyOf(string endpoint, string author) => endpoint.Split('/')[^1] switch
    {
        "edits" => new { clientId = Guid.NewGuid().ToString(), edit = new { @do = "addThing", kind = "part", name = $"part {Guid.NewGuid():N}", fromKit = false } },
        "comments" or "{comment:int}" => new { clientId = Guid.NewGuid().ToString(), kind = "sheet", text = "A word." },
        "settle" => new { clientId = Guid.NewGuid().ToString(), settled = true },
        "take" => new { clientId = Guid.NewGuid().ToString(), entry = 1 },
        "held" => new { way = "printed" },
        "undo" or "redo" => new { clientId = Guid.NewGuid().ToString() },
        "ready" => new { key = "P1", inHand = true },
        "words" => new { words = new[] { new { word = "frob", kind = "part" } } },
        "authors" or "owner" => new { person = author },
        "session" => new { userName = "nobody-here", password = "x" },
        _ => new { },
    };
}
