using System.Net;
using Microsoft.AspNetCore.HttpOverrides;

namespace WornPath.Web.Hosting;

/// <summary>
/// Behind a proxy that is named (<c>WornPath:Proxies</c>: addresses, with commas), what it forwards is believed: the caller's address
/// and whether the caller came by https. Nobody else is believed.
/// </summary>
public static class Proxies
{
    public static void UseProxies(this WebApplication app)
    {
        var named = (app.Configuration["WornPath:Proxies"] ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        if (named.Length == 0) return;
        var options = new ForwardedHeadersOptions
        {
            ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto,
            ForwardLimit = named.Length
        };
        options.KnownProxies.Clear();
        options.KnownIPNetworks.Clear();
        foreach (var proxy in named) options.KnownProxies.Add(IPAddress.Parse(proxy));
        app.UseForwardedHeaders(options);
    }
}
