using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Formats;

namespace WornPath.Bench;

/// <summary>An edit through the API of the real server, against a bare insert of as many bytes with full sync, in the same folder.</summary>
internal static class EditThroughApi
{
    public static async Task<(double Edit, double Wal, double Bare)> RunAsync(Sheet sheet)
    {
        var data = Directory.CreateTempSubdirectory("wornpath-bench-").FullName;
        var port = FreePort();
        using var server = Start(data, port);
        try
        {
            var cookies = new CookieContainer();
            using var http = new HttpClient(new HttpClientHandler { CookieContainer = cookies }) { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
            await EnterAsync(http);
            var file = ProcedureFileText.Write(new ProcedureFile { Number = "B-1", Title = "Long", Sheet = sheet }).Value;
            using var content = new ByteArrayContent(file);
            content.Headers.ContentType = new("application/json");
            var made = await (await http.PostAsync("/api/procedures/file", content)).Content.ReadFromJsonAsync<JsonElement>();
            var address = $"/api/revisions/{made.GetProperty("revisionId").GetInt32()}/edits";

            using var bare = Bare(data, "WAL");
            using var journal = Bare(data, "DELETE");
            var row = new byte[900];

            using var plain = new PlainHttp(port, [("Cookie", cookies.GetCookieHeader(http.BaseAddress)), ("X-CSRF-TOKEN", http.DefaultRequestHeaders.GetValues("X-CSRF-TOKEN").Single())]);
            var text = "Inspect cover 30 for cracks at the lugs.";
            var number = 0;
            var (edit, insert) = Measure.InTurn(2000, Edit, () => Insert(bare));
            var (_, slow) = Measure.InTurn(1000, Edit, () => Insert(journal));
            return (edit, insert, slow);

            void Edit()
            {
                var next = $"Inspect cover 30 for cracks at the lugs, look {++number} times.";
                plain.Post(address, JsonSerializer.SerializeToUtf8Bytes(new { clientId = Guid.NewGuid().ToString(), edit = (Edit)new WriteStep("a59", text, next) }, SheetJson.Options));
                text = next;
            }

            void Insert(SqliteConnection connection)
            {
                using var command = connection.CreateCommand();
                command.CommandText = "INSERT INTO Edits (Delta) VALUES ($row)";
                command.Parameters.AddWithValue("$row", row);
                command.ExecuteNonQuery();
            }
        }
        finally
        {
            server.Kill();
            await server.WaitForExitAsync();
            SqliteConnection.ClearAllPools();
            Directory.Delete(data, recursive: true);
        }
    }

    /// <summary>The real server as a process of its own.</summary>
    public static Process Start(string data, int port) => Process.Start(new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "WornPath.Web.dll"), "--contentRoot", AppContext.BaseDirectory])
    {
        Environment = { ["WornPath__Demo"] = "true", ["WornPath__Data"] = data, ["ASPNETCORE_URLS"] = $"http://127.0.0.1:{port}", ["ASPNETCORE_ENVIRONMENT"] = "Production", ["Logging__LogLevel__Default"] = "Error" },
    })!;

    private static SqliteConnection Bare(string folder, string journal)
    {
        var connection = new SqliteConnection($"Data Source={Path.Combine(folder, $"bare-{journal}.db")};Pooling=False");
        connection.Open();
        Execute(connection, $"PRAGMA journal_mode = {journal}; PRAGMA synchronous = FULL; CREATE TABLE Edits (Id INTEGER PRIMARY KEY, Delta BLOB);");
        return connection;
    }

    private static void Execute(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    /// <summary>Waits until the server answers, and signs in.</summary>
    public static async Task EnterAsync(HttpClient http, string userName = "ines")
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                await TokenAsync();
                break;
            }
            catch (HttpRequestException) when (tries < 1200)
            {
                await Task.Delay(50);
            }
        }

        (await http.PostAsJsonAsync("/api/session", new { userName, password = "orchard-demo-1" })).EnsureSuccessStatusCode();
        await TokenAsync();

        async Task TokenAsync()
        {
            var session = await http.GetFromJsonAsync<JsonElement>("/api/session");
            http.DefaultRequestHeaders.Remove("X-CSRF-TOKEN");
            http.DefaultRequestHeaders.Add("X-CSRF-TOKEN", session.GetProperty("token").GetString());
        }
    }

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
