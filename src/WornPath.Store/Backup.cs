using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Sheets;

namespace WornPath.Store;

/// <summary>What a backup says of itself.</summary>
/// <param name="Format">Always <see cref="Backup.FormatName"/>.</param>
/// <param name="Version">Version of the backup's form.</param>
/// <param name="At">When it was made, in UTC.</param>
/// <param name="Migration">The last migration of the database in it.</param>
/// <param name="Files">Every file in it, with its size and its SHA-256.</param>
public sealed record BackupManifest(string Format, int Version, DateTime At, string Migration, IReadOnlyList<BackedUpFile> Files);

/// <summary>A file of a backup.</summary>
public sealed record BackedUpFile(string Name, long Bytes, string Sha256);

/// <summary>
/// A data folder in one file: a ZIP archive with the database, what lies in the folder <c>files</c> beside it, and a manifest. It is
/// made while the server runs: the database is copied as it stands at one moment, checked, and written with what it refers to.
/// Sessions and their keys are not in it: after a restore everybody signs in again.
/// </summary>
public static class Backup
{
    /// <summary>The word a backup's manifest begins with.</summary>
    public const string FormatName = "wornpath-backup";

    /// <summary>The newest version of the form this program writes and reads.</summary>
    public const int NewestVersion = 1;

    /// <summary>The database's name in its folder.</summary>
    public const string Database = "wornpath.db";

    /// <summary>The folder beside the database for what is too large for it; everything in it belongs to a backup.</summary>
    public const string Beside = "files";

    private const string ManifestName = "manifest.json";

    /// <summary>Writes a backup of a data folder, whoever writes to it meanwhile.</summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="file">Where to; written under another name first, so that a broken backup never bears a good one's name.</param>
    /// <param name="at">The time it is of.</param>
    public static Outcome<BackupManifest> Write(string folder, string file, DateTime at)
    {
        if (!File.Exists(Path.Combine(folder, Database))) return new Problem($"There is no database in {folder}.", "Name the data folder of the server.");
        var work = Directory.CreateTempSubdirectory("wornpath-backup-");
        var part = file + ".part";
        try
        {
            var copy = Path.Combine(work.FullName, Database);
            using (var from = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = Path.Combine(folder, Database), Mode = SqliteOpenMode.ReadOnly, DefaultTimeout = 30, Pooling = false }.ToString()))
            using (var to = new SqliteConnection($"Data Source={copy};Pooling=False"))
            {
                from.Open();
                to.Open();
                from.BackupDatabase(to);
                Run(to, "PRAGMA journal_mode = DELETE");
            }

            if (Damage(copy) is { } damage) return new Problem($"The database is damaged: {damage}", "Restore the last good backup.");
            // The database first, what it refers to after it: what came in between is more than it needs, never less.
            var files = new List<(string Name, string Path)> { (Database, copy) };
            var beside = Path.Combine(folder, Beside);
            if (Directory.Exists(beside))
                files.AddRange(Directory.EnumerateFiles(beside, "*", SearchOption.AllDirectories).Order(StringComparer.Ordinal).Select(f => ($"{Beside}/{Path.GetRelativePath(beside, f).Replace('\\', '/')}", f)));
            var manifest = new BackupManifest(FormatName, NewestVersion, at, LastMigration(copy), [.. files.Select(f => new BackedUpFile(f.Name, new FileInfo(f.Path).Length, HashOf(f.Path)))]);
            using (var archive = new ZipArchive(new FileStream(part, FileMode.Create, FileAccess.Write), ZipArchiveMode.Create))
            {
                using (var entry = archive.CreateEntry(ManifestName).Open()) JsonSerializer.Serialize(entry, manifest, SheetJson.Options);
                foreach (var (name, path) in files) archive.CreateEntryFromFile(path, name, CompressionLevel.Fastest);
            }

            File.Move(part, file, overwrite: true);
            return manifest;
        }
        finally
        {
            File.Delete(part);
            work.Delete(recursive: true);
        }
    }

    /// <summary>Unpacks a backup into an empty folder and checks all of it: every file whole, the database sound and not of a later program.</summary>
    public static Outcome<BackupManifest> Unpack(string file, string into)
    {
        var again = "Take another backup; this one is left as it is.";
        try
        {
            using var archive = ZipFile.OpenRead(file);
            if (archive.GetEntry(ManifestName) is not { } head) return new Problem($"{Path.GetFileName(file)} is no backup of Worn Path.", "Choose a file that “backup” has written.");
            BackupManifest? manifest;
            using (var stream = head.Open()) manifest = JsonSerializer.Deserialize<BackupManifest>(stream, SheetJson.Options);
            if (manifest is not { Format: FormatName }) return new Problem($"{Path.GetFileName(file)} is no backup of Worn Path.", "Choose a file that “backup” has written.");
            if (manifest.Version > NewestVersion) return new Problem($"The backup has version {manifest.Version}; this program reads up to version {NewestVersion}.", "Bring the program up to date.");
            if (manifest.Files.All(f => f.Name != Database)) return new Problem("The backup holds no database.", again);
            foreach (var named in manifest.Files)
            {
                var to = Path.GetFullPath(Path.Combine(into, named.Name));
                if (!to.StartsWith(Path.GetFullPath(into) + Path.DirectorySeparatorChar, StringComparison.Ordinal)) return new Problem($"The backup names a file outside of its folder: {named.Name}.", again);
                if (archive.GetEntry(named.Name) is not { } entry) return new Problem($"{named.Name} is missing from the backup.", again);
                Directory.CreateDirectory(Path.GetDirectoryName(to)!);
                entry.ExtractToFile(to);
                if (new FileInfo(to).Length != named.Bytes || HashOf(to) != named.Sha256) return new Problem($"{named.Name} in the backup is damaged: its checksum is another.", again);
            }

            var database = Path.Combine(into, Database);
            if (Damage(database) is { } damage) return new Problem($"The database in the backup is damaged: {damage}", again);
            return Unknown(database) is { } unknown ? new Problem(new NewerDatabaseException(unknown).Message, "Bring the program up to date, or choose an older backup.") : manifest;
        }
        catch (Exception e) when (e is InvalidDataException or JsonException or EndOfStreamException)
        {
            return new Problem($"{Path.GetFileName(file)} is damaged: {e.Message}", again);
        }
    }

    /// <summary>
    /// Puts a checked backup in the place of a data folder's content. What was there is moved aside into a folder of its own, whose
    /// path is returned; null where there was nothing. The caller holds the folder's lock.
    /// </summary>
    public static Outcome<string?> Restore(string file, string folder, DateTime at)
    {
        var work = Path.Combine(folder, $"restoring-{Guid.NewGuid():N}");
        Directory.CreateDirectory(work);
        try
        {
            var unpacked = Unpack(file, work);
            if (!unpacked.IsGood) return unpacked.Problem;
            string? aside = null;
            foreach (var name in (string[])[Database, Database + "-wal", Database + "-shm", Beside, "keys"])
            {
                var there = Path.Combine(folder, name);
                if (!File.Exists(there) && !Directory.Exists(there)) continue;
                aside ??= Directory.CreateDirectory(Path.Combine(folder, $"before-restore-{at:yyyyMMdd-HHmmss}")).FullName;
                Move(there, Path.Combine(aside, name));
            }

            foreach (var name in (string[])[Beside, Database])
                if (File.Exists(Path.Combine(work, name)) || Directory.Exists(Path.Combine(work, name))) Move(Path.Combine(work, name), Path.Combine(folder, name));
            return aside;
        }
        finally
        {
            Directory.Delete(work, recursive: true);
        }
    }

    private static void Move(string from, string to)
    {
        if (Directory.Exists(from)) Directory.Move(from, to);
        else File.Move(from, to);
    }

    /// <summary>What is wrong with a database file, in SQLite's words; null where it is sound.</summary>
    public static string? Damage(string database)
    {
        try
        {
            using var connection = ReadOnly(database);
            var said = Ask(connection, "PRAGMA integrity_check");
            if (said != "ok") return said;
            return Ask(connection, "SELECT \"table\" FROM pragma_foreign_key_check LIMIT 1") is { } table ? $"a row of {table} refers to one that is not there" : null;
        }
        catch (SqliteException e)
        {
            return e.Message;
        }
    }

    internal static string LastMigration(string database)
    {
        using var connection = ReadOnly(database);
        return Ask(connection, "SELECT max(MigrationId) FROM __EFMigrationsHistory") ?? "";
    }

    private static string? Unknown(string database)
    {
        using var db = StoreSetup.Open(database);
        var known = db.Database.GetMigrations().ToHashSet();
        using var connection = ReadOnly(database);
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT MigrationId FROM __EFMigrationsHistory ORDER BY MigrationId";
        using var rows = command.ExecuteReader();
        while (rows.Read())
            if (!known.Contains(rows.GetString(0))) return rows.GetString(0);
        return null;
    }

    internal static SqliteConnection ReadOnly(string database)
    {
        var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = database, Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
        connection.Open();
        return connection;
    }

    private static string? Ask(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar() as string;
    }

    internal static void Run(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static string HashOf(string path)
    {
        using var stream = File.OpenRead(path);
        return Convert.ToHexString(SHA256.HashData(stream));
    }
}
