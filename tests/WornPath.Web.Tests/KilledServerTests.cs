using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using WornPath.Core.Editing;

namespace WornPath.Web.Tests;

/// <summary>The real server as a process of its own, killed again and again without warning.</summary>
public sealed class KilledServerTests
{
    private const int Kills = 50;

    [Fact]
    public async Task Fifty_kills_between_and_during_edits_lose_no_acknowledged_edit()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-kill-").FullName;
        var acknowledged = new List<string>();
        var random = new Random(20261124);
        // Signed in once: cookie and token outlive the server, its keys being kept beside the database.
        using var handler = new HttpClientHandler { CookieContainer = new CookieContainer() };
        int id = 0, number = 0;
        string? token = null;
        for (var kill = 0; kill <= Kills; kill++)
        {
            var port = FreePort();
            using var server = Start(data, port);
            try
            {
                using var http = new HttpClient(handler, disposeHandler: false) { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
                var ines = new Somebody(http);
                await UpAsync(http);
                if (token is null) await ines.EnterAsync("ines");
                else http.DefaultRequestHeaders.Add("X-CSRF-TOKEN", token);
                token ??= http.DefaultRequestHeaders.GetValues("X-CSRF-TOKEN").Single();
                if (kill == 0) id = await ines.NewAsync("K-1");
                var revision = await ines.RevisionAsync(id);
                var texts = revision.Sheet.Steps.Select(s => s.Text).ToHashSet();
                acknowledged.Where(t => !texts.Contains(t)).ShouldBeEmpty($"after kill {kill}");
                if (kill == Kills) break;

                // Edits one after the other; some moment after the first is acknowledged the server dies under one of them.
                var phase = revision.Sheet.Phases!.Value[0].Id;
                Timer? death = null;
                for (var alive = true; alive;)
                {
                    var text = $"Clean face {++number}.";
                    try
                    {
                        using var answer = await ines.TryEditAsync(id, new InsertStep(null, phase, null, text));
                        answer.StatusCode.ShouldBe(HttpStatusCode.OK);
                        acknowledged.Add(text);
                        death ??= new Timer(_ => server.Kill(), null, random.Next(1, 40), Timeout.Infinite);
                    }
                    catch (HttpRequestException)
                    {
                        alive = false;
                    }
                }

                await death!.DisposeAsync();
            }
            finally
            {
                if (!server.HasExited) server.Kill();
                await server.WaitForExitAsync();
            }
        }

        acknowledged.Count.ShouldBeGreaterThanOrEqualTo(Kills);
        Directory.Delete(data, recursive: true);
    }

    private static Process Start(string data, int port)
    {
        var start = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "WornPath.Web.dll"), "--contentRoot", AppContext.BaseDirectory])
        {
            Environment = { ["WornPath__Demo"] = "true", ["WornPath__Data"] = data, ["ASPNETCORE_URLS"] = $"http://127.0.0.1:{port}", ["ASPNETCORE_ENVIRONMENT"] = "Production", ["Logging__LogLevel__Default"] = "Error" },
            RedirectStandardOutput = true,
        };
        var server = Process.Start(start)!;
        server.BeginOutputReadLine();
        return server;
    }

    private static async Task UpAsync(HttpClient http)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                using var answer = await http.GetAsync("/api/session");
                return;
            }
            catch (HttpRequestException) when (tries < 1000)
            {
                await Task.Delay(20);
            }
        }
    }

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
