using System.Data.Common;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Store.Drafts;

namespace WornPath.Store;

/// <summary>How the database is opened.</summary>
public static class StoreSetup
{
    /// <summary>Adds the database in a file, and what works on it.</summary>
    public static IServiceCollection AddWornPathStore(this IServiceCollection services, string file)
    {
        services.AddDbContextPool<WornPathDb>(options => Configure(options, file));
        services.AddScoped<DraftLog>();
        services.AddSingleton(provider => new EditWriter(() => OpenForWriting(file), provider.GetRequiredService<TimeProvider>()));
        return services;
    }

    /// <summary>Options of a database in a file: foreign keys on, ten seconds of patience with another writer, every commit on the disk before it is acknowledged.</summary>
    public static DbContextOptionsBuilder Configure(DbContextOptionsBuilder options, string file) => options
        .UseSqlite(ConnectionString(file))
        .AddInterceptors(new DurablePragmas());

    /// <summary>The database in a file, for who works on it outside of a server. The caller disposes of it.</summary>
    public static WornPathDb Open(string file)
    {
        var options = new DbContextOptionsBuilder<WornPathDb>();
        Configure(options, file);
        return new WornPathDb(options.Options);
    }

    /// <summary>A connection with the same options, open, for <see cref="EditWriter"/>. The caller disposes of it.</summary>
    public static SqliteConnection OpenForWriting(string file)
    {
        var connection = new SqliteConnection(ConnectionString(file) + ";Pooling=False");
        connection.Open();
        DurablePragmas.Set(connection);
        return connection;
    }

    private static string ConnectionString(string file) => new SqliteConnectionStringBuilder { DataSource = file, ForeignKeys = true, DefaultTimeout = 10 }.ToString();

    /// <summary>Brings the database to the newest migration, in WAL mode, with its guards. Throws <see cref="NewerDatabaseException"/> where a later program has written it.</summary>
    public static async Task MigrateAsync(WornPathDb db, CancellationToken cancel = default)
    {
        if ((await db.Database.GetAppliedMigrationsAsync(cancel)).Except(db.Database.GetMigrations()).FirstOrDefault() is { } unknown) throw new NewerDatabaseException(unknown);
        if ((await db.Database.GetPendingMigrationsAsync(cancel)).Any())
        {
            await Guards.LiftAsync(db, cancel);
            await db.Database.MigrateAsync(cancel);
        }

        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode = WAL;", cancel);
        await NameKeys.FillAsync(db, cancel);
        await Guards.InstallAsync(db, cancel);
    }

    // WAL is kept in the file; how often it is synced belongs to the connection.
    private sealed class DurablePragmas : DbConnectionInterceptor
    {
        public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData) => Set(connection);

        public override Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
        {
            Set(connection);
            return Task.CompletedTask;
        }

        public static void Set(DbConnection connection)
        {
            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA synchronous = FULL;";
            command.ExecuteNonQuery();
        }
    }
}
