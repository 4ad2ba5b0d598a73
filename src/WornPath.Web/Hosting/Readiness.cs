using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Diagnostics.HealthChecks;
using WornPath.Store;

namespace WornPath.Web.Hosting;

/// <summary>
/// Whether the server can work: the database takes a write, and the disk has room. Anybody may ask, and learns no more than that; asked
/// more often than every other second, it answers as it did before.
/// </summary>
public sealed class Readiness(IServiceScopeFactory scopes, DataFolder data, TimeProvider time, IConfiguration configuration)
    : IHealthCheck, IDisposable
{
    private static readonly TimeSpan Holds = TimeSpan.FromSeconds(2);

    private readonly SemaphoreSlim _one = new(1, 1);
    private (DateTimeOffset At, HealthCheckResult Result)? _last;

    /// <summary>Least room on the disk, in megabytes (<c>WornPath:LeastDiskMegabytes</c>).</summary>
    private long LeastMegabytes => configuration.GetValue("WornPath:LeastDiskMegabytes", 200L);

    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        await _one.WaitAsync(cancellationToken);
        try
        {
            if (_last is { } last && time.GetUtcNow() - last.At < Holds && time.GetUtcNow() >= last.At) return last.Result;
            var result = await LookAsync(cancellationToken);
            _last = (time.GetUtcNow(), result);
            return result;
        }
        finally
        {
            _one.Release();
        }
    }

    public void Dispose() => _one.Dispose();

    private async Task<HealthCheckResult> LookAsync(CancellationToken cancel)
    {
        try
        {
            // A file that was taken away under the server is still open, and takes writes that nobody will see again.
            if (!File.Exists(Path.Combine(data.Path, Backup.Database))) return HealthCheckResult.Unhealthy("The database’s file is gone.");
            await using var scope = scopes.CreateAsyncScope();
            var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
            db.Database.SetCommandTimeout(2);
            await db.Database.ExecuteSqlAsync($"INSERT INTO Facts (Name, Value) VALUES ('ready', {time.GetUtcNow().UtcDateTime:O}) ON CONFLICT (Name) DO UPDATE SET Value = excluded.Value", cancel);
            var megabytes = new DriveInfo(data.Path).AvailableFreeSpace / 1024 / 1024;
            return megabytes < LeastMegabytes ? HealthCheckResult.Unhealthy($"The disk has {megabytes} MB left.") : HealthCheckResult.Healthy();
        }
        catch (Exception e) when (e is SqliteException or DbUpdateException or IOException)
        {
            return HealthCheckResult.Unhealthy("The database takes no write.", e);
        }
    }
}
