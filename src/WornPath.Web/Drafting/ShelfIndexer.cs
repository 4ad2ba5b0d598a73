using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Drafts;

namespace WornPath.Web.Drafting;

/// <summary>Writes the shelf's words anew, a few seconds after a sheet has changed; whoever edits does not wait for it.</summary>
public sealed partial class ShelfIndexer(IServiceScopeFactory scopes, ILogger<ShelfIndexer> logger) : BackgroundService
{
    private static readonly TimeSpan Behind = TimeSpan.FromSeconds(2);
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(1);

    private readonly SemaphoreSlim _touched = new(1);

    /// <summary>Something on the shelf has changed.</summary>
    public void Touch()
    {
        if (_touched.CurrentCount == 0) _touched.Release();
    }

    /// <summary>Writes all words that are not those of their sheet.</summary>
    public async Task CatchUpAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        var log = scope.ServiceProvider.GetRequiredService<DraftLog>();
        foreach (var id in await ShelfWords.StaleAsync(db, cancel))
            if (await log.LoadAsync(id, cancel) is { } stored) await ShelfWords.WriteAsync(db, id, stored.Sheet, stored.Seq, cancel);
    }

    public override void Dispose()
    {
        base.Dispose();
        _touched.Dispose();
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            await _touched.WaitAsync(Longest, stoppingToken);
            try
            {
                await CatchUpAsync(stoppingToken);
            }
            catch (Exception e) when (e is SqliteException or DbUpdateException or NewerFormatException)
            {
                // The database is busy or in trouble, which whoever asks is told; a minute later it is tried again.
                NotWritten(logger, e.Message);
            }

            await Task.Delay(Behind, stoppingToken);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The shelf's words were not written: {Why}")]
    private static partial void NotWritten(ILogger logger, string why);
}
