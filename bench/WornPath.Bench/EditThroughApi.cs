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
    public static async Task<(double Edit, double Insert)> RunAsync(Sheet sheet)
    {
        var data = Directory.CreateTempSubdirectory("wornpath-bench-").FullName;
        var port = FreePort();
        var start = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "WornPath.Web.dll"), "--contentRoot", AppContext.BaseDirectory])
        {
            Environment = { ["WornPath__Demo"] = "true", ["WornPath__Data"] = data, ["ASPNETCORE_URLS"] = $"http://127.0.0.1:{port}", ["ASPNETCORE_ENVIRONMENT"] = "Production", ["Logging__LogLevel__Default"] = "Error" },
        };
        using var server = Process.Start(start)!;
        try
        {
            using var http = new HttpClient(new HttpClientHandler { CookieContainer = new CookieContainer() }) { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
            await EnterAsync(http);
            var file = ProcedureFileText.Write(new ProcedureFile { Number = "B-1", Title = "Long", Sheet = sheet });
            using var content = new ByteArrayContent(file);
            content.Headers.ContentType = new("application/json");
            var made = await (await http.PostAsync("/api/procedures/file", content)).Content.ReadFromJsonAsync<JsonElement>();
            var address = $"/api/revisions/{made.GetProperty("revisionId").GetInt32()}/edits";

            await using var bare = new SqliteConnection($"Data Source={Path.Combine(data, "bare.db")}");
            await bare.OpenAsync();
            Execute(bare, "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; CREATE TABLE Edits (Id INTEGER PRIMARY KEY, Delta BLOB);");
            var row = new byte[900];

            var text = "Inspect cover 30 for cracks at the lugs.";
            var number = 0;
            return await Measure.InTurnAsync(2000, Edit, Insert);

            async Task Edit()
            {
                var next = $"Inspect cover 30 for cracks at the lugs, look {++number} times.";
                var answer = await http.PostAsJsonAsync(address, new { clientId = Guid.NewGuid().ToString(), edit = (Edit)new WriteStep("a59", text, next) }, SheetJson.Options);
                answer.EnsureSuccessStatusCode();
                await answer.Content.ReadAsByteArrayAsync();
                text = next;
            }

            Task Insert()
            {
                using var command = bare.CreateCommand();
                command.CommandText = "INSERT INTO Edits (Delta) VALUES ($row)";
                command.Parameters.AddWithValue("$row", row);
                command.ExecuteNonQuery();
                return Task.CompletedTask;
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

    private static void Execute(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static async Task EnterAsync(HttpClient http)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                await TokenAsync();
                break;
            }
            catch (HttpRequestException) when (tries < 200)
            {
                await Task.Delay(50);
            }
        }

        (await http.PostAsJsonAsync("/api/session", new { userName = "ines", password = "orchard-demo-1" })).EnsureSuccessStatusCode();
        await TokenAsync();

        async Task TokenAsync()
        {
            var session = await http.GetFromJsonAsync<JsonElement>("/api/session");
            http.DefaultRequestHeaders.Remove("X-CSRF-TOKEN");
            http.DefaultRequestHeaders.Add("X-CSRF-TOKEN", session.GetProperty("token").GetString());
        }
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
