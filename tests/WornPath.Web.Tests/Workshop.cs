using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
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

    public Workshop() => Data = Directory.CreateTempSubdirectory("wornpath-web-").FullName;

    /// <summary>With other services; in the folder of one before, which ends first (null for a folder of its own).</summary>
    public static Workshop With(Workshop? before, Action<IServiceCollection> services, Action? between = null)
    {
        var workshop = new Workshop { _services = services };
        if (before is null) return workshop;
        Directory.Delete(workshop.Data, recursive: true);
        workshop.Data = before.Data;
        before._isPassedOn = true;
        before.Dispose();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        between?.Invoke();
        return workshop;
    }

    /// <summary>The data folder.</summary>
    public string Data { get; private set; }

    public string Database => Path.Combine(Data, Store.Backup.Database);

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("WornPath:Demo", "true").UseSetting("WornPath:Data", Data).UseEnvironment("Production");
        if (_services is not null) builder.ConfigureTestServices(_services);
    }

    /// <summary>Somebody of the sample workshop, signed in; nobody for null.</summary>
    public async Task<Somebody> As(string? userName)
    {
        var somebody = new Somebody(CreateClient(new WebApplicationFactoryClientOptions { BaseAddress = new Uri("https://localhost") }));
        await somebody.EnterAsync(userName);
        return somebody;
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        if (!disposing || _isPassedOn || !Directory.Exists(Data)) return;
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(Data, recursive: true);
    }
}

/// <summary>A caller with a cookie and a token.</summary>
public sealed class Somebody(HttpClient http)
{
    public HttpClient Http { get; } = http;

    public async Task EnterAsync(string? userName, string password = "orchard-demo-1")
    {
        await TokenAsync();
        if (userName is null) return;
        var answer = await Http.PostAsJsonAsync("/api/session", new { userName, password });
        answer.EnsureSuccessStatusCode();
        await TokenAsync();
    }

    private async Task TokenAsync()
    {
        var session = await Http.GetFromJsonAsync<SessionEndpoints.SessionView>("/api/session", SheetJson.Options);
        Http.DefaultRequestHeaders.Remove("X-CSRF-TOKEN");
        Http.DefaultRequestHeaders.Add("X-CSRF-TOKEN", session!.Token);
    }

    public async Task<T> GetAsync<T>(string path) => (await Http.GetFromJsonAsync<T>(path, SheetJson.Options))!;

    public Task<HttpResponseMessage> PostAsync(string path, object? body = null) => Http.PostAsJsonAsync(path, body ?? new { }, SheetJson.Options);

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
    public async Task<HttpResponseMessage> TryReadAsync(int revision, string joint, string read) =>
        await PostAsync($"/api/revisions/{revision}/values", new { (await ValuesAsync(revision)).First(v => v.Joint == joint).Seal, read });

    public async Task ReadAsync(int revision, string joint, string read)
    {
        var answer = await TryReadAsync(revision, joint, read);
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
