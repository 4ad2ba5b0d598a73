using System.Diagnostics;
using System.Net;
using System.Net.Sockets;

namespace WornPath.Web.Tests;

/// <summary>The server as a process of its own, on the loopback address.</summary>
internal static class RealServer
{
    /// <summary>Starts it, with the sample workshop unless a setting says otherwise.</summary>
    public static Process Start(string data, int port, params (string Name, string Value)[] settings)
    {
        var start = new ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "WornPath.Web.dll"), "--contentRoot", AppContext.BaseDirectory])
        {
            Environment = { ["WornPath__Demo"] = "true", ["WornPath__Data"] = data, ["ASPNETCORE_URLS"] = $"http://127.0.0.1:{port}", ["ASPNETCORE_ENVIRONMENT"] = "Production", ["Logging__LogLevel__Default"] = "Error" },
            RedirectStandardOutput = true,
            RedirectStandardError = true,
        };
        foreach (var (name, value) in settings) start.Environment[name] = value;
        var server = Process.Start(start)!;
        server.BeginOutputReadLine();
        return server;
    }

    /// <summary>Waits until it answers.</summary>
    public static async Task UpAsync(HttpClient http)
    {
        for (var tries = 0; ; tries++)
        {
            try
            {
                using var answer = await http.GetAsync("/api/session");
                return;
            }
            catch (HttpRequestException) when (tries < 5000)
            {
                await Task.Delay(20);
            }
        }
    }

    public static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }
}
