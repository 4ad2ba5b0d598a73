using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace WornPath.Bench;

/// <summary>
/// How long the server takes to refuse a name that somebody has and one that nobody has, through the API: whoever measures must not learn
/// which names there are. Each try comes from an address of its own, so that nobody is held off.
/// </summary>
internal static class NameTiming
{
    private const int People = 10;
    private const int Tries = 200;

    private static readonly string[] Roles = ["author"];

    public static async Task<(double Known, double Unknown)> RunAsync()
    {
        var data = Directory.CreateTempSubdirectory("wornpath-names-").FullName;
        var port = EditThroughApi.FreePort();
        using var server = EditThroughApi.Start(data, port);
        try
        {
            await MakePeopleAsync(port);
            var (known, unknown) = (new List<double>(), new List<double>());
            for (var i = -Tries / 4; i < Tries; i++)
            {
                var (k, u) = (await TryAsync(port, i, $"person{(i + Tries) % People}"), await TryAsync(port, i, $"nobody{(i + Tries) % People}"));
                if (i < 0) continue;
                known.Add(k);
                unknown.Add(u);
            }

            known.Sort();
            unknown.Sort();
            return (known[Tries / 2], unknown[Tries / 2]);
        }
        finally
        {
            server.Kill();
            await server.WaitForExitAsync();
            SqliteConnection.ClearAllPools();
            Directory.Delete(data, recursive: true);
        }
    }

    private static async Task MakePeopleAsync(int port)
    {
        using var admin = new HttpClient(new HttpClientHandler { CookieContainer = new CookieContainer() }) { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        await EditThroughApi.EnterAsync(admin, "admin");
        (await admin.PostAsJsonAsync("/api/session/confirm", new { password = "orchard-demo-1" })).EnsureSuccessStatusCode();
        for (var i = 0; i < People; i++)
        {
            var made = await (await admin.PostAsJsonAsync("/api/people",
                new { userName = $"person{i}", name = $"Person {(char)('A' + i)}", roles = Roles })).Content.ReadFromJsonAsync<JsonElement>();
            (await admin.PostAsJsonAsync("/api/join", new
            {
                token = made.GetProperty("url").GetString()!.Split('#')[1],
                password = "apple cart on the hill"
            })).EnsureSuccessStatusCode();
        }
    }

    private static async Task<double> TryAsync(int port, int number, string name)
    {
        var from = new IPAddress([127, 0, (byte)(1 + ((number + Tries) / 200)), (byte)(1 + ((number + Tries) % 200))]);
        using var handler = new SocketsHttpHandler
        {
            CookieContainer = new CookieContainer(),
            ConnectCallback = async (context, cancel) =>
            {
                var socket = new Socket(AddressFamily.InterNetwork, SocketType.Stream, ProtocolType.Tcp) { NoDelay = true };
                socket.Bind(new IPEndPoint(from, 0));
                await socket.ConnectAsync(context.DnsEndPoint, cancel);
                return new NetworkStream(socket, ownsSocket: true);
            },
        };
        using var http = new HttpClient(handler) { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
        var session = await http.GetFromJsonAsync<JsonElement>("/api/session");
        http.DefaultRequestHeaders.Add("X-CSRF-TOKEN", session.GetProperty("token").GetString());
        var clock = Stopwatch.StartNew();
        using var answer = await http.PostAsJsonAsync("/api/session", new { userName = name, password = $"wrong-word-{number}" });
        var took = clock.Elapsed.TotalMilliseconds;
        return answer.StatusCode == HttpStatusCode.Unauthorized ? took
            : throw new InvalidOperationException($"{name} from {from}: {answer.StatusCode}");
    }
}
