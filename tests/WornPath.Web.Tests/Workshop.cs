using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.Mvc.Testing.Handlers;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Web.Drafting;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>The application on a real SQLite file, with the sample workshop.</summary>
public sealed class Workshop : WebApplicationFactory<Program>
{
    private Action<IServiceCollection>? _services;
    private bool _isPassedOn;
    private bool _isStarted;
    private readonly Dictionary<string, string> _settings = new() { ["WornPath:Demo"] = "true" };

    public Workshop() => Data = Directory.CreateTempSubdirectory("wornpath-web-").FullName;

    /// <summary>With other services; in the folder of one before, which ends first (null for a folder of its own).</summary>
    public static Workshop With(Workshop? before, Action<IServiceCollection> services, Action? between = null)
    {
        var workshop = new Workshop { _services = services };
        if (before is null) return workshop;
        Directory.Delete(workshop.Data, recursive: true);
        workshop.Data = before.Data;
        before._isPassedOn = true;
        // One that has not been started has nothing to end.
        if (before._isStarted) before.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        between?.Invoke();
        return workshop;
    }

    /// <summary>With settings of its own (“WornPath:Demo” among them), in the folder of one before, which ends first.</summary>
    public static Workshop Set(Workshop? before, Action? between, params (string Name, string Value)[] settings)
    {
        var workshop = With(before, _ => { }, between);
        workshop._settings.Clear();
        foreach (var (name, value) in settings) workshop._settings[name] = value;
        return workshop;
    }

    /// <summary>The data folder.</summary>
    public string Data { get; private set; }

    public string Database => Path.Combine(Data, Store.Backup.Database);

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        _isStarted = true;
        builder.UseSetting("WornPath:Data", Data).UseSetting("Logging:LogLevel:Default", "Error").UseEnvironment("Production");
        foreach (var (name, value) in _settings) builder.UseSetting(name, value);
        if (_services is not null) builder.ConfigureTestServices(_services);
    }

    /// <summary>Somebody of the sample workshop, signed in; nobody for null.</summary>
    public async Task<Somebody> As(string? userName)
    {
        var somebody = Nobody();
        await somebody.EnterAsync(userName);
        return somebody;
    }

    /// <summary>A browser that has not been here.</summary>
    public Somebody Nobody(string? site = null)
    {
        var (cookies, again) = (new CookieContainerHandler(), new SayingAgain());
        return new Somebody(CreateDefaultClient(new Uri(site ?? "https://localhost"), again, cookies), cookies.Container, again);
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        if (!disposing || _isPassedOn || !Directory.Exists(Data)) return;
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Data, recursive: true);
    }
}

/// <summary>Does what the page does where the server asks for the password again: gives it, and sends the same once more.</summary>
public sealed class SayingAgain : DelegatingHandler
{
    /// <summary>The password to give; null where the one who asks is to be told instead.</summary>
    public string? Password { get; set; }

    protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken cancellationToken)
    {
        var body = request.Content is null ? null : await request.Content.ReadAsByteArrayAsync(cancellationToken);
        var answer = await base.SendAsync(request, cancellationToken);
        if (Password is null || answer.StatusCode != HttpStatusCode.Forbidden
            || !(await answer.Content.ReadAsStringAsync(cancellationToken)).Contains("\"asks\":\"confirm\"")) return answer;
        using var confirm = new HttpRequestMessage(HttpMethod.Post,
            new Uri(request.RequestUri!, "/api/session/confirm"))
        { Content = JsonContent.Create(new { Password }) };
        foreach (var header in request.Headers) confirm.Headers.TryAddWithoutValidation(header.Key, header.Value);
        (await base.SendAsync(confirm, cancellationToken)).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        var again = new HttpRequestMessage(request.Method, request.RequestUri);
        if (body is not null)
        {
            again.Content = new ByteArrayContent(body);
            again.Content.Headers.ContentType = request.Content!.Headers.ContentType;
        }

        foreach (var header in request.Headers) again.Headers.TryAddWithoutValidation(header.Key, header.Value);
        return await base.SendAsync(again, cancellationToken);
    }
}

/// <summary>A caller with a cookie and a token.</summary>
public sealed class Somebody(HttpClient http, CookieContainer cookies, SayingAgain again)
{
    public HttpClient Http { get; } = http;

    public CookieContainer Cookies { get; } = cookies;

    /// <summary>Gives the password again where it is asked for, as the page does.</summary>
    public bool SaysAgain { set => again.Password = value ? _password : null; }

    private string? _password;

    public async Task EnterAsync(string? userName, string password = "orchard-demo-1", string? code = null)
    {
        await TokenAsync();
        if (userName is null) return;
        var answer = await Http.PostAsJsonAsync("/api/session", new { userName, password, code });
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        again.Password = _password = password;
        await TokenAsync();
    }

    public async Task TokenAsync()
    {
        var session = await Http.GetFromJsonAsync<SessionEndpoints.SessionView>("/api/session", SheetJson.Options);
        Http.DefaultRequestHeaders.Remove("X-CSRF-TOKEN");
        Http.DefaultRequestHeaders.Add("X-CSRF-TOKEN", session!.Token);
    }

    public async Task<T> GetAsync<T>(string path) => (await Http.GetFromJsonAsync<T>(path, SheetJson.Options))!;

    public Task<HttpResponseMessage> PostAsync(string path, object? body = null) => Http.PostAsJsonAsync(path, body ?? new { }, SheetJson.Options);

    /// <summary>Makes a person, who chooses the password <c>long-enough-1</c> in a browser of her own.</summary>
    public async Task InviteAsync(Somebody invited, string userName, string name, params string[] roles)
    {
        var answer = await PostAsync("/api/people", new { userName, name, roles });
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        var url = (await answer.Content.ReadFromJsonAsync<PeopleEndpoints.LinkMade>(SheetJson.Options))!.Url;
        await invited.TokenAsync();
        await invited.JoinAsync(url.Split('#')[1], "long-enough-1");
    }

    public async Task JoinAsync(string token, string password) => (await PostAsync("/api/join", new { token, password }))
        .StatusCode.ShouldBe(HttpStatusCode.OK);

    public async Task<int> NewAsync(string number, string title = "A job")
    {
        var answer = await PostAsync("/api/procedures", new { number, title, platform = "T28" });
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<ShelfEndpoints.Opened>(SheetJson.Options))!.RevisionId;
    }

    /// <summary>Gives the procedure of a revision to a co-author.</summary>
    public async Task ShareAsync(int revision, string name)
    {
        var person = (await GetAsync<List<Someone>>("/api/people/authors")).Single(p => p.Name == name).Id;
        (await PostAsync($"/api/procedures/{(await RevisionAsync(revision)).ProcedureId}/authors", new { person })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
    }

    public Task<HttpResponseMessage> TryEditAsync(int revision, Edit edit, string? clientId = null) =>
        PostAsync($"/api/revisions/{revision}/edits", new RevisionEndpoints.EditRequest(clientId ?? Guid.NewGuid().ToString(), edit));

    public async Task<SheetView> EditAsync(int revision, Edit edit, string? clientId = null) => await SheetOf(await TryEditAsync(revision, edit, clientId));

    public async Task<SheetView> BackAsync(int revision, string which) => await SheetOf(await PostAsync($"/api/revisions/{revision}/{which}", new { clientId = Guid.NewGuid().ToString() }));

    public Task<RevisionEndpoints.RevisionView> RevisionAsync(int revision) => GetAsync<RevisionEndpoints.RevisionView>($"/api/revisions/{revision}");

    public Task<List<ValueEndpoints.ValueView>> ValuesAsync(int revision) => GetAsync<List<ValueEndpoints.ValueView>>($"/api/revisions/{revision}/values");

    /// <summary>Reads a value of a revision, the first of a joint, as it is said to stand in its source.</summary>
    public async Task<HttpResponseMessage> TryReadAsync(int revision, string of, string read) =>
        await PostAsync($"/api/revisions/{revision}/values", new { (await ValuesAsync(revision)).First(v => v.Id == of).Seal, read });

    public async Task ReadAsync(int revision, string of, string read)
    {
        var answer = await TryReadAsync(revision, of, read);
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
    }

    public async Task<string[]> TextsAsync(int revision)
    {
        var sheet = (await RevisionAsync(revision)).Sheet;
        var byId = sheet.Steps.ToDictionary(s => s.Id, s => s.Text);
        return [.. sheet.Phases!.Value.SelectMany(p => p.Steps).Select(id => byId[id])];
    }

    public static async Task<JsonElement> ProblemOf(HttpResponseMessage answer, HttpStatusCode status)
    {
        answer.StatusCode.ShouldBe(status, await answer.Content.ReadAsStringAsync());
        answer.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        return await answer.Content.ReadFromJsonAsync<JsonElement>();
    }

    private static async Task<SheetView> SheetOf(HttpResponseMessage answer)
    {
        answer.StatusCode.ShouldBe(HttpStatusCode.OK, await answer.Content.ReadAsStringAsync());
        return (await answer.Content.ReadFromJsonAsync<SheetView>(SheetJson.Options))!;
    }
}
