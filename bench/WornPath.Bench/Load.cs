using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Logging;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Bench;

/// <summary>
/// Fifty writers and five hundred readers, against the real server and, in the same run, against a bare ASP.NET endpoint that writes
/// one row with full sync and reads one back. Writers send one edit after the other; a reader looks once a second.
/// </summary>
internal static class Load
{
    private const int Writers = 50;
    private const int Readers = 500;

    /// <summary>What one side did.</summary>
    public sealed record Figures(int Writes, int Reads, int Failed, double WriteMedian, double Write99, double ReadMedian, double Read99, double Seconds)
    {
        public override string ToString() => $"{Writes / Seconds:N0} writes/s (median {WriteMedian:N1} ms, 99 % within {Write99:N0} ms), {Reads / Seconds:N0} reads/s (median {ReadMedian:N1} ms, 99 % within {Read99:N0} ms), {Failed} failed";
    }

    public static async Task RunAsync(TimeSpan time)
    {
        var data = Directory.CreateTempSubdirectory("wornpath-load-").FullName;
        var (port, bare) = (EditThroughApi.FreePort(), EditThroughApi.FreePort());
        using var server = EditThroughApi.Start(data, port);
        using var plain = Process.Start(new ProcessStartInfo(Environment.ProcessPath!, ["bare", bare.ToString(), Path.Combine(data, "bare.db")]))!;
        try
        {
            var (drafts, http) = await DraftsAsync(port);
            var number = 0;
            var texts = drafts.ToDictionary(d => d.Revision, _ => "");
            var real = await SideAsync(time, http, (client, i) =>
            {
                var (revision, step) = drafts[i];
                var next = $"Clean face {Interlocked.Increment(ref number)} with a dry rag.";
                var edit = (Edit)new WriteStep(step, texts[revision], next);
                texts[revision] = next;
                return client.PostAsJsonAsync($"/api/revisions/{revision}/edits", new { clientId = Guid.NewGuid().ToString(), edit }, SheetJson.Options);
            }, (client, i) => client.GetAsync($"/api/revisions/{drafts[i % Writers].Revision}"));
            using var bareHttp = Client(bare, new CookieContainer());
            await UpAsync(bareHttp, "/row");
            var row = new byte[900];
            var held = await SideAsync(time, bareHttp, (client, _) => client.PostAsync("/row", new ByteArrayContent(row)), (client, _) => client.GetAsync("/row"));
            Console.WriteLine($"{Writers} writers and {Readers} readers for {time.TotalSeconds:0} s");
            Console.WriteLine($"  Worn Path:     {real}");
            Console.WriteLine($"  a bare row:    {held}");
            Console.WriteLine($"  an edit is {real.WriteMedian / held.WriteMedian:0.0} times a bare row by medians, throughput 1/{held.Writes / (double)real.Writes:0.0}");
        }
        finally
        {
            server.Kill();
            plain.Kill();
            await server.WaitForExitAsync();
            await plain.WaitForExitAsync();
            SqliteConnection.ClearAllPools();
            Directory.Delete(data, recursive: true);
        }
    }

    /// <summary>The bare endpoint, as a process of its own.</summary>
    public static async Task BareAsync(int port, string file)
    {
        var builder = WebApplication.CreateSlimBuilder();
        builder.Logging.ClearProviders();
        builder.WebHost.UseUrls($"http://127.0.0.1:{port}");
        var app = builder.Build();
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using (var begin = connection.CreateCommand())
        {
            begin.CommandText = "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; CREATE TABLE Rows (Id INTEGER PRIMARY KEY, Body BLOB);";
            begin.ExecuteNonQuery();
        }

        var gate = new Lock();
        app.MapPost("/row", async (HttpRequest request) =>
        {
            using var body = new MemoryStream();
            await request.Body.CopyToAsync(body);
            lock (gate)
            {
                using var command = connection.CreateCommand();
                command.CommandText = "INSERT INTO Rows (Body) VALUES ($body)";
                command.Parameters.AddWithValue("$body", body.ToArray());
                command.ExecuteNonQuery();
            }

            return Results.Ok();
        });
        app.MapGet("/row", () =>
        {
            lock (gate)
            {
                using var command = connection.CreateCommand();
                command.CommandText = "SELECT Body FROM Rows ORDER BY Id DESC LIMIT 1";
                return Results.Bytes(command.ExecuteScalar() as byte[] ?? []);
            }
        });
        await app.RunAsync();
    }

    private static async Task<Figures> SideAsync(TimeSpan time, HttpClient http, Func<HttpClient, int, Task<HttpResponseMessage>> write, Func<HttpClient, int, Task<HttpResponseMessage>> read)
    {
        var writes = new List<double>();
        var reads = new List<double>();
        var failed = 0;
        using var over = new CancellationTokenSource(time);
        var clock = Stopwatch.StartNew();
        async Task Loop(int i, List<double> times, Func<HttpClient, int, Task<HttpResponseMessage>> act, TimeSpan pause)
        {
            var own = new List<double>();
            while (!over.IsCancellationRequested)
            {
                var one = Stopwatch.StartNew();
                try
                {
                    using var answer = await act(http, i);
                    await answer.Content.CopyToAsync(Stream.Null);
                    if (answer.IsSuccessStatusCode) own.Add(one.Elapsed.TotalMilliseconds);
                    else Interlocked.Increment(ref failed);
                }
                catch (HttpRequestException)
                {
                    Interlocked.Increment(ref failed);
                }

                if (pause > TimeSpan.Zero) await Task.Delay(pause, CancellationToken.None);
            }

            lock (times) times.AddRange(own);
        }

        await Task.WhenAll(Enumerable.Range(0, Writers).Select(i => Loop(i, writes, write, TimeSpan.Zero)).Concat(Enumerable.Range(0, Readers).Select(i => Loop(i, reads, read, TimeSpan.FromSeconds(1)))));
        writes.Sort();
        reads.Sort();
        static double At(List<double> sorted, double part) => sorted.Count == 0 ? double.NaN : sorted[Math.Min(sorted.Count - 1, (int)(sorted.Count * part))];
        return new Figures(writes.Count, reads.Count, failed, At(writes, 0.5), At(writes, 0.99), At(reads, 0.5), At(reads, 0.99), clock.Elapsed.TotalSeconds);
    }

    private static HttpClient Client(int port, CookieContainer cookies) =>
        new(new SocketsHttpHandler { CookieContainer = cookies, MaxConnectionsPerServer = Writers + Readers }) { BaseAddress = new Uri($"http://127.0.0.1:{port}") };

    private static async Task UpAsync(HttpClient http, string path)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                using var answer = await http.GetAsync(path);
                return;
            }
            catch (HttpRequestException) when (tries < 400)
            {
                await Task.Delay(50);
            }
        }
    }

    private static async Task<(List<(int Revision, string Step)> Drafts, HttpClient Http)> DraftsAsync(int port)
    {
        var http = Client(port, new CookieContainer());
        await EditThroughApi.EnterAsync(http);
        var drafts = new List<(int, string)>();
        for (var i = 0; i < Writers; i++)
        {
            var made = await (await http.PostAsJsonAsync("/api/procedures", new { number = $"L-{i}", title = "Load", platform = "" })).Content.ReadFromJsonAsync<JsonElement>();
            var revision = made.GetProperty("revisionId").GetInt32();
            var view = await http.GetFromJsonAsync<JsonElement>($"/api/revisions/{revision}");
            drafts.Add((revision, view.GetProperty("sheet").GetProperty("steps")[0].GetProperty("id").GetString()!));
        }

        return (drafts, http);
    }
}
