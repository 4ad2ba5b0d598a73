using WornPath.Store;

namespace WornPath.Cli;

/// <summary>wornpath backup and restore: for who runs the server.</summary>
public static class BackupCommands
{
    /// <summary>Writes a backup while the server runs. Exit code 0, or 1 where it could not be.</summary>
    public static async Task<int> BackupAsync(DirectoryInfo data, FileInfo file, TextWriter output, TextWriter trouble)
    {
        try
        {
            var written = Backup.Write(data.FullName, file.FullName, DateTime.UtcNow);
            if (!written.IsGood) return await SayAsync(trouble, written.Problem.ToString());
            await output.WriteLineAsync($"{file}: {written.Value.Files.Count} file{(written.Value.Files.Count == 1 ? "" : "s")}, {written.Value.Files.Sum(f => f.Bytes) / 1024:N0} kB, as of {written.Value.At:yyyy-MM-dd HH:mm:ss} UTC");
            return 0;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
        {
            return await SayAsync(trouble, e.Message);
        }
    }

    /// <summary>Puts a backup in the place of a data folder that no server works in. Exit code 0, or 1 where it could not be.</summary>
    public static async Task<int> RestoreAsync(FileInfo file, DirectoryInfo data, TextWriter output, TextWriter trouble)
    {
        try
        {
            if (!file.Exists) return await SayAsync(trouble, $"{file} is not there.");
            data.Create();
            var taken = FolderLock.Take(data.FullName, "a restore", DateTime.UtcNow);
            if (!taken.IsGood) return await SayAsync(trouble, taken.Problem.ToString());
            using var held = taken.Value;
            var restored = Backup.Restore(file.FullName, data.FullName, DateTime.UtcNow);
            if (!restored.IsGood) return await SayAsync(trouble, restored.Problem.ToString());
            await using var db = StoreSetup.Open(Path.Combine(data.FullName, Backup.Database));
            await StoreSetup.MigrateAsync(db);
            await db.EndSessionsAsync(DateTime.UtcNow);
            var differ = await RestoredSheets.ReadAnewAsync(db, DateTime.UtcNow);
            await output.WriteLineAsync($"{data}: restored.{(restored.Value is { } aside ? $" What stood there is in {aside}." : "")}{(differ > 0 ? $" In {differ} open revision{(differ == 1 ? "" : "s")} a step is not what its sentence says: see the findings." : "")}");
            return 0;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
        {
            return await SayAsync(trouble, e.Message);
        }
    }

    private static async Task<int> SayAsync(TextWriter trouble, string what)
    {
        await trouble.WriteLineAsync(what);
        return 1;
    }
}
