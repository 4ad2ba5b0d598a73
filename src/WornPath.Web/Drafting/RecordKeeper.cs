using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Store;

namespace WornPath.Web.Drafting;

/// <summary>Links the record of what was edited, seconds after; whoever edits does not wait for it. What an older version wrote is linked first.</summary>
public sealed partial class RecordKeeper(IServiceScopeFactory scopes, ILogger<RecordKeeper> logger) : BackgroundService
{
    private static readonly TimeSpan Behind = TimeSpan.FromSeconds(5);

    private (long Edit, int Event) _linked;

    /// <summary>Links everything that is not linked yet.</summary>
    public async Task CatchUpAsync(CancellationToken cancel)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        var last = (Edit: await db.Edits.MaxAsync(e => (long?)e.Id, cancel) ?? 0, Event: await db.Events.MaxAsync(e => (int?)e.Id, cancel) ?? 0);
        if (last == _linked) return;
        foreach (var procedure in await RecordBook.StaleAsync(db, _linked.Edit, _linked.Event, cancel))
        {
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            await RecordBook.LinkAsync(db, procedure, cancel);
            await transaction.CommitAsync(cancel);
            db.ChangeTracker.Clear();
        }

        _linked = last;
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                await CatchUpAsync(stoppingToken);
            }
            catch (Exception e) when (e is SqliteException or DbUpdateException)
            {
                // The database is busy or in trouble, which whoever asks is told; a little later it is tried again.
                NotLinked(logger, e.Message);
            }

            await Task.Delay(Behind, stoppingToken);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The record was not linked: {Why}")]
    private static partial void NotLinked(ILogger logger, string why);
}
