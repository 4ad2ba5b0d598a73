using WornPath.Formats.Out;
using WornPath.Store;

namespace WornPath.Cli;

/// <summary>wornpath export of a data folder and import of what that wrote: a whole workshop in open forms.</summary>
public static class ArchiveCommands
{
    /// <summary>Writes a workshop while the server runs. Exit code: 0 written, 3 the folder cannot be read, 4 the file cannot be written.</summary>
    public static async Task<int> ExportAsync(DirectoryInfo data, FileInfo? to, TextWriter output, TextWriter trouble)
    {
        if (to is null)
        {
            await trouble.WriteLineAsync("A whole workshop goes into a file: name it with --to.");
            return ExportCommand.Unwritable;
        }

        var part = to.FullName + ".part";
        try
        {
            await using (var stream = new FileStream(part, FileMode.Create, FileAccess.ReadWrite))
            {
                var written = await Archive.WriteAsync(data.FullName, stream, DateTime.UtcNow, r => RevisionForms.Of(r.Number, r.Title, r.Platform,
                    r.Letter, r.State, r.Sheet, r.Picture));
                if (!written.IsGood)
                {
                    await trouble.WriteLineAsync($"{data}: {written.Problem}");
                    return CheckCommand.Unreadable;
                }

                await output.WriteLineAsync($"{to}: {written.Value.Members.Count} members, as of {written.Value.At:yyyy-MM-dd HH:mm:ss} UTC. Passwords, second factors and sessions are not in it.");
            }

            File.Move(part, to.FullName, overwrite: true);
            return 0;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
        {
            await trouble.WriteLineAsync(e.Message);
            return ExportCommand.Unwritable;
        }
        finally
        {
            File.Delete(part);
        }
    }

    /// <summary>Brings a workshop into an empty data folder. Exit code: 0 brought, 3 the archive cannot be taken, 4 the folder cannot be written.</summary>
    public static async Task<int> ImportAsync(FileInfo file, DirectoryInfo data, TextWriter output, TextWriter trouble)
    {
        try
        {
            data.Create();
            var taken = FolderLock.Take(data.FullName, "an import", DateTime.UtcNow);
            if (!taken.IsGood)
            {
                await trouble.WriteLineAsync(taken.Problem.ToString());
                return ExportCommand.Unwritable;
            }

            using var held = taken.Value;
            var brought = await Archive.BringAsync(file.FullName, data.FullName);
            if (!brought.IsGood)
            {
                await trouble.WriteLineAsync($"{file}: {brought.Problem}");
                return CheckCommand.Unreadable;
            }

            await output.WriteLineAsync($"{data}: the workshop as of {brought.Value.At:yyyy-MM-dd HH:mm:ss} UTC. Start the server once with WornPath__Admit=ACCOUNT: it tells a link with which that account chooses a password; everybody else is let in under People.");
            return 0;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
        {
            await trouble.WriteLineAsync(e.Message);
            return ExportCommand.Unwritable;
        }
    }
}
