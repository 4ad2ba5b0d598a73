using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Authorization;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;
using WornPath.Core.Revisions;
using WornPath.Web.Features;

namespace WornPath.Web.Hosting;

/// <summary>
/// Measures and traces for who runs the server, through OpenTelemetry: to be fetched at <c>/metrics</c> in the form Prometheus reads, and
/// sent to a collector where <c>OTEL_EXPORTER_OTLP_ENDPOINT</c> names one. Neither holds a text of a sheet or a name.
/// </summary>
public static class Telemetry
{
    /// <summary>Who may fetch the measures: an administrator, or who has the token of <c>WornPath:MetricsToken</c>.</summary>
    public const string Policy = "metrics";

    public static void AddTelemetry(this WebApplicationBuilder builder)
    {
        builder.Services.AddSingleton<Measures>();
        var telemetry = builder.Services.AddOpenTelemetry().ConfigureResource(r => r.AddService("wornpath"))
            .WithMetrics(m => m.AddMeter(Measures.Name, "Microsoft.AspNetCore.Hosting", "Microsoft.AspNetCore.Server.Kestrel",
                "Microsoft.AspNetCore.Http.Connections").AddRuntimeInstrumentation().AddPrometheusExporter());
        if (builder.Configuration["OTEL_EXPORTER_OTLP_ENDPOINT"] is not { Length: > 0 }) return;
        // The address of a calendar is its key.
        telemetry.WithMetrics(m => m.AddOtlpExporter()).WithTracing(t => t
            .AddAspNetCoreInstrumentation(o => o.Filter = context => CalendarEndpoints.Shown(context.Request.Path) == context.Request.Path.Value)
            .AddOtlpExporter());
    }

    public static void AddPolicy(AuthorizationOptions options, IConfiguration configuration)
    {
        var token = configuration["WornPath:MetricsToken"];
        options.AddPolicy(Policy, p => p.RequireAssertion(c => c.User.IsInRole(Roles.Administrator)
            || (token is { Length: > 0 } && c.Resource is HttpContext http && Carries(http, token))));
    }

    public static void MapTelemetry(this WebApplication app) => app.MapPrometheusScrapingEndpoint("/metrics").RequireAuthorization(Policy);

    private static bool Carries(HttpContext context, string token) =>
        CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(context.Request.Headers.Authorization.ToString()),
            Encoding.UTF8.GetBytes($"Bearer {token}"));
}
