using System.IO.Compression;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using WornPath.Core;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;

namespace WornPath.Store;

/// <summary>What an archive says of itself.</summary>
/// <param name="Format">Always <see cref="Archive.FormatName"/>.</param>
/// <param name="Version">Version of the archive's form.</param>
/// <param name="At">The time it is of, in UTC.</param>
/// <param name="Migration">The last migration of the database its lines are of.</param>
/// <param name="Members">Every member of it that comes in again, with its size and its SHA-256.</param>
public sealed record ArchiveManifest(string Format, int Version, DateTime At, string Migration, IReadOnlyList<BackedUpFile> Members);

/// <summary>A revision in an archive, for the forms of it that are written beside the data.</summary>
/// <param name="Picture">The bytes of a picture by its key; null where it is not kept.</param>
public sealed record ArchivedRevision(string Number, string Title, string Platform, string Letter, RevisionState State, Sheet Sheet, Func<string,
    byte[]?> Picture);

/// <summary>
/// A whole workshop in open forms: a ZIP archive with every table as lines of JSON, a row a line, the pictures, and each revision as a
/// procedure file and as text. It comes into an empty data folder again, and taken out of there has the same members to the byte.
/// Passwords, second factors, sessions and invitations are not in it: who comes along chooses a password anew.
/// </summary>
public static class Archive
{
    /// <summary>The word an archive's manifest begins with.</summary>
    public const string FormatName = "wornpath-archive";

    /// <summary>The newest version of the form this program writes and reads.</summary>
    public const int NewestVersion = 1;

    private const string ManifestName = "manifest.json";

    /// <summary>True for a file that says it is an archive of a workshop, whatever it is called; one that cannot be opened is told by its name.</summary>
    public static bool IsOne(FileInfo file)
    {
        try
        {
            using var zip = ZipFile.OpenRead(file.FullName);
            if (zip.GetEntry(ManifestName) is not null) return true;
        }
        catch (Exception e) when (e is InvalidDataException or IOException or UnauthorizedAccessException)
        {
            // Whoever reads it whole says what is wrong with it.
        }

        return file.Extension.Equals(".zip", StringComparison.OrdinalIgnoreCase);
    }
    private const string Data = "data/";
    private const string Lines = ".jsonl";

    // No row of a workshop is longer: a sheet has at most 32 MB.
    private const int LongestLine = 160 * 1024 * 1024;
    private const long MostBytes = 64L * 1024 * 1024 * 1024;

    /// <summary>The tables that do not go out: secrets, what is made again from the others, and the database's own.</summary>
    public static readonly IReadOnlySet<string> LeftOut = new HashSet<string>
    {
        "Sessions", "Invitations", "RecoveryCodes", "AspNetUserTokens", "AspNetUserLogins", "ShelfEntries", "ShelfWords", "ShelfWords_config", "ShelfWords_content",
        "ShelfWords_data", "ShelfWords_docsize", "ShelfWords_idx", "UsedNames", "UsedOn", "UsedWords", "UsedWords_config", "UsedWords_content",
        "UsedWords_data", "UsedWords_docsize", "UsedWords_idx", "__EFMigrationsHistory", "__EFMigrationsLock", "sqlite_sequence",
    };

    // What a person proves herself by, as of somebody who has yet to choose a password.
    private static readonly Dictionary<string, string> Secrets = new()
    {
        ["PasswordHash"] = "NULL",
        ["SecurityStamp"] = "NULL",
        ["ConcurrencyStamp"] = "NULL",
        ["TwoFactorEnabled"] = "0",
        ["LockoutEnd"] = "NULL",
        ["AccessFailedCount"] = "0",
        ["FactorSecret"] = "NULL",
        ["CalendarKeyHash"] = "NULL",
        ["FactorStep"] = "0",
    };

    /// <summary>Writes a workshop, whoever works on it meanwhile, a row after the other.</summary>
    /// <param name="folder">The data folder.</param>
    /// <param name="to">Where to.</param>
    /// <param name="at">The time it is of.</param>
    /// <param name="forms">The forms a revision is written in beside the data, each with its name.</param>
    public static async Task<Outcome<ArchiveManifest>> WriteAsync(string folder, Stream to, DateTime at,
        Func<ArchivedRevision, IEnumerable<(string Name, byte[] Bytes)>> forms)
    {
        if (!File.Exists(Path.Combine(folder, Backup.Database))) return new Problem($"There is no database in {folder}.",
            "Name the data folder of the server.");
        var work = Directory.CreateTempSubdirectory("wornpath-archive-");
        try
        {
            // As it stands at one moment.
            var copy = Path.Combine(work.FullName, Backup.Database);
            using (var from = Backup.ReadOnly(Path.Combine(folder, Backup.Database)))
            using (var into = new SqliteConnection($"Data Source={copy};Pooling=False"))
            {
                into.Open();
                from.BackupDatabase(into);
            }

            if (Backup.Damage(copy) is { } damage) return new Problem($"The database is damaged: {damage}", "Restore the last good backup.");
            // One that a former program left is taken out as this one has it.
            await using (var db = StoreSetup.Open(copy)) await StoreSetup.MigrateAsync(db);
            using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
            var members = new List<BackedUpFile>();
            using (var database = Backup.ReadOnly(copy))
                foreach (var table in TablesOf(database).Where(t => !LeftOut.Contains(t)))
                    members.Add(Put(zip, $"{Data}{table}{Lines}", stream => WriteTable(database, table, stream)));
            var pictures = new PictureFiles(folder);
            await WriteFormsAsync(zip, copy, pictures, forms);
            var beside = Path.Combine(folder, Backup.Beside);
            if (Directory.Exists(beside))
                foreach (var file in Directory.EnumerateFiles(beside, "*", SearchOption.AllDirectories).Where(f =>
                    !f.EndsWith(".part", StringComparison.Ordinal)).Order(StringComparer.Ordinal))
                    members.Add(Put(zip, $"{Backup.Beside}/{Path.GetRelativePath(beside, file).Replace('\\', '/')}", stream =>
                    {
                        using var picture = File.OpenRead(file);
                        picture.CopyTo(stream);
                    }));
            var manifest = new ArchiveManifest(FormatName, NewestVersion, at, Backup.LastMigration(copy), members);
            using var entry = zip.CreateEntry(ManifestName).Open();
            JsonSerializer.Serialize(entry, manifest, SheetJson.Options);
            return manifest;
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            work.Delete(recursive: true);
        }
    }

    /// <summary>Brings an archive into a data folder that has no database yet. Nothing of it is there until all of it is.</summary>
    /// <param name="file">The archive.</param>
    /// <param name="folder">The data folder; the caller holds its lock.</param>
    public static async Task<Outcome<ArchiveManifest>> BringAsync(string file, string folder)
    {
        if (File.Exists(Path.Combine(folder, Backup.Database)))
            return new Problem($"There is a workshop in {folder} already.", "Name an empty folder: an archive comes into an empty installation.");
        var work = Path.Combine(folder, $"bringing-{Guid.NewGuid():N}");
        Directory.CreateDirectory(work);
        try
        {
            using var zip = ZipFile.OpenRead(file);
            var read = Read(zip, Path.GetFileName(file));
            if (!read.IsGood) return read.Problem;
            var manifest = read.Value;
            var database = Path.Combine(work, Backup.Database);
            await using (var db = StoreSetup.Open(database))
            {
                if (!db.Database.GetMigrations().Contains(manifest.Migration))
                    return new Problem($"The archive is of a later program ({manifest.Migration}).", "Bring the program up to date.");
                // As it was taken out; brought up to date behind that.
                await db.GetService<IMigrator>().MigrateAsync(manifest.Migration);
            }

            if (Fill(zip, manifest, database, work) is { } wrong) return wrong;
            if (Backup.Damage(database) is { } damage) return new Problem($"What the archive holds does not fit together: {damage}", Again);
            await using (var db = StoreSetup.Open(database)) await StoreSetup.MigrateAsync(db);
            SqliteConnection.ClearAllPools();
            if (Directory.Exists(Path.Combine(work, Backup.Beside))) Directory.Move(Path.Combine(work, Backup.Beside), Path.Combine(folder, Backup.Beside));
            File.Move(database, Path.Combine(folder, Backup.Database));
            return manifest;
        }
        catch (Exception e) when (e is InvalidDataException or JsonException or EndOfStreamException or DecoderFallbackException)
        {
            return new Problem($"{Path.GetFileName(file)} is damaged: {e.Message}", Again);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            Directory.Delete(work, recursive: true);
        }
    }

    private const string Again = "Take the workshop out once more; this archive is left as it is.";

    private static Outcome<ArchiveManifest> Read(ZipArchive zip, string name)
    {
        if (zip.GetEntry(ManifestName) is not { } head) return new Problem($"{name} is no archive of a workshop.",
            "Choose a file that “export” has written of a data folder.");
        ArchiveManifest? manifest;
        using (var stream = head.Open()) manifest = JsonSerializer.Deserialize<ArchiveManifest>(stream, SheetJson.Options);
        if (manifest is not { Format: FormatName }) return new Problem($"{name} is no archive of a workshop.",
            "Choose a file that “export” has written of a data folder.");
        if (manifest.Version > NewestVersion) return new Problem($"The archive has version {manifest.Version}; this program reads up to version {NewestVersion}.", "Bring the program up to date.");
        return manifest.Members.Sum(m => m.Bytes) > MostBytes ? new Problem("The archive is larger than a workshop can be.", Again) : manifest;
    }

    // Every member as its manifest says it is, the rows by the tables there are; what is wrong, or null.
    private static Problem? Fill(ZipArchive zip, ArchiveManifest manifest, string database, string work)
    {
        using var connection = new SqliteConnection($"Data Source={database};Pooling=False;Foreign Keys=False");
        connection.Open();
        var tables = TablesOf(connection).Where(t => !LeftOut.Contains(t)).ToHashSet();
        if (tables.Except(manifest.Members.Select(m => m.Name).Where(n => n.StartsWith(Data, StringComparison.Ordinal)
            && n.EndsWith(Lines, StringComparison.Ordinal)).Select(n => n[Data.Length..^Lines.Length])).FirstOrDefault() is { } lacking)
            return new Problem($"{Data}{lacking}{Lines} is missing from the archive.", Again);
        using var transaction = connection.BeginTransaction();
        // The rows a migration itself has put there.
        foreach (var table in tables) Backup.Run(connection, $"DELETE FROM \"{table}\"");
        foreach (var member in manifest.Members)
        {
            if (zip.GetEntry(member.Name) is not { } entry) return new Problem($"{member.Name} is missing from the archive.", Again);
            using var hash = SHA256.Create();
            using (var stream = new CryptoStream(new Bounded(entry.Open(), member.Bytes), hash, CryptoStreamMode.Read))
            {
                if (member.Name.StartsWith(Data, StringComparison.Ordinal) && member.Name.EndsWith(Lines, StringComparison.Ordinal))
                {
                    var table = member.Name[Data.Length..^Lines.Length];
                    if (!tables.Contains(table)) return new Problem($"{member.Name} is of a table this program does not know.",
                        "Bring the program up to date.");
                    if (FillTable(connection, table, stream) is { } wrong) return wrong;
                }
                else
                {
                    var to = member.Name.Contains('\0') ? "" : Path.GetFullPath(Path.Combine(work, member.Name));
                    if (!to.StartsWith(Path.Combine(Path.GetFullPath(work), Backup.Beside) + Path.DirectorySeparatorChar, StringComparison.Ordinal))
                        return new Problem($"The archive names a file outside of its folder: {member.Name}.", Again);
                    Directory.CreateDirectory(Path.GetDirectoryName(to)!);
                    using var picture = File.Create(to);
                    stream.CopyTo(picture);
                }

                stream.CopyTo(Stream.Null);
            }

            if (Convert.ToHexString(hash.Hash!) != member.Sha256) return new Problem($"{member.Name} in the archive is damaged: its checksum is another.",
                Again);
        }

        Backup.Run(connection, $"UPDATE AspNetUsers SET SecurityStamp = lower(hex(randomblob(16))), ConcurrencyStamp = lower(hex(randomblob(16)))");
        transaction.Commit();
        return null;
    }

    private static Problem? FillTable(SqliteConnection connection, string table, Stream stream)
    {
        var columns = ColumnsOf(connection, table);
        using var insert = connection.CreateCommand();
        insert.CommandText = $"INSERT INTO \"{table}\" ({string.Join(", ", columns.Select(c => $"\"{c}\""))}) VALUES ({string.Join(", ", columns.Select((_, i) => $"$v{i}"))})";
        var values = columns.Select((_, i) => insert.Parameters.Add($"$v{i}", SqliteType.Text)).ToArray();
        var number = 0;
        using var reader = new StreamReader(stream, new UTF8Encoding(false, throwOnInvalidBytes: true), detectEncodingFromByteOrderMarks: false,
            leaveOpen: true);
        foreach (var line in LinesOf(reader))
        {
            number++;
            using var row = JsonDocument.Parse(line);
            var where = $"{Data}{table}{Lines}, line {number}";
            if (row.RootElement.ValueKind != JsonValueKind.Object || row.RootElement.EnumerateObject().Count() != columns.Count)
                return new Problem($"{where} has other columns than the table.", Again);
            for (var i = 0; i < columns.Count; i++)
            {
                if (!row.RootElement.TryGetProperty(columns[i], out var cell)) return new Problem($"{where} has no {columns[i]}.", Again);
                (values[i].SqliteType, values[i].Value) = ValueOf(cell);
            }

            try
            {
                insert.ExecuteNonQuery();
            }
            catch (SqliteException e)
            {
                return new Problem($"{where} cannot be taken: {e.Message}", Again);
            }
        }

        return null;
    }

    private static (SqliteType Type, object Value) ValueOf(JsonElement cell) => cell.ValueKind switch
    {
        JsonValueKind.Null => (SqliteType.Text, DBNull.Value),
        JsonValueKind.String => (SqliteType.Text, cell.GetString()!),
        JsonValueKind.Number when cell.TryGetInt64(out var whole) => (SqliteType.Integer, whole),
        JsonValueKind.Number => (SqliteType.Real, cell.GetDouble()),
        JsonValueKind.Object when cell.TryGetProperty("utf8", out var text) && text.ValueKind == JsonValueKind.String =>
            (SqliteType.Blob, Encoding.UTF8.GetBytes(text.GetString()!)),
        JsonValueKind.Object when cell.TryGetProperty("base64", out var coded) && coded.ValueKind == JsonValueKind.String
            && coded.TryGetBytesFromBase64(out var bytes) => (SqliteType.Blob, bytes),
        _ => throw new InvalidDataException($"{cell.ValueKind} is no value of a cell."),
    };

    // A line is read no further than a row can be long.
    private static IEnumerable<string> LinesOf(StreamReader reader)
    {
        var line = new StringBuilder();
        var buffer = new char[1 << 16];
        int got;
        while ((got = reader.Read(buffer)) > 0)
        {
            var at = 0;
            for (int end; (end = Array.IndexOf(buffer, '\n', at, got - at)) >= 0; at = end + 1)
            {
                line.Append(buffer, at, end - at);
                yield return line.ToString();
                line.Clear();
            }

            line.Append(buffer, at, got - at);
            if (line.Length > LongestLine) throw new InvalidDataException("a line is longer than a row can be");
        }

        if (line.Length > 0) throw new InvalidDataException("the last line is cut short");
    }

    private static void WriteTable(SqliteConnection connection, string table, Stream stream)
    {
        var columns = ColumnsOf(connection, table);
        using var command = connection.CreateCommand();
        command.CommandText = $"SELECT {string.Join(", ", columns.Select(c => table == "AspNetUsers" && Secrets.TryGetValue(c, out var none) ? $"{none} AS \"{c}\"" : $"\"{c}\""))} FROM \"{table}\""
            // When it was last looked at is none of the workshop's.
            + (table == "Facts" ? " WHERE Name <> 'ready'" : "") + $" ORDER BY {string.Join(", ", Enumerable.Range(1, columns.Count))}";
        using var rows = command.ExecuteReader();
        using var json = new Utf8JsonWriter(stream,
            new JsonWriterOptions { Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping });
        while (rows.Read())
        {
            json.WriteStartObject();
            for (var i = 0; i < columns.Count; i++)
            {
                json.WritePropertyName(columns[i]);
                switch (rows.GetValue(i))
                {
                    case DBNull: json.WriteNullValue(); break;
                    case long whole: json.WriteNumberValue(whole); break;
                    case double real: json.WriteNumberValue(real); break;
                    case string text: json.WriteStringValue(text); break;
                    case byte[] bytes: WriteBlob(json, bytes); break;
                    case var other: throw new InvalidOperationException($"{table}.{columns[i]} holds a {other.GetType().Name}.");
                }
            }

            json.WriteEndObject();
            json.Flush();
            json.Reset();
            stream.WriteByte((byte)'\n');
        }
    }

    // Sheets and edits are JSON, and stand to be read; what is no text stands in base64.
    private static void WriteBlob(Utf8JsonWriter json, byte[] bytes)
    {
        json.WriteStartObject();
        if (System.Text.Unicode.Utf8.IsValid(bytes)) json.WriteString("utf8", bytes);
        else json.WriteBase64String("base64", bytes);
        json.WriteEndObject();
    }

    private static async Task WriteFormsAsync(ZipArchive zip, string database, PictureFiles pictures, Func<ArchivedRevision,
        IEnumerable<(string Name, byte[] Bytes)>> forms)
    {
        await using var db = StoreSetup.Open(database);
        var log = new DraftLog(db);
        var all = await db.Revisions.AsNoTracking().OrderBy(r => r.Id).Select(r => new
        {
            r.Id,
            r.Letter,
            r.State,
            r.Procedure.Number,
            r.Procedure.Title,
            r.Procedure.Platform
        }).ToListAsync();
        var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
        foreach (var one in all)
        {
            var sheet = (await log.LoadAsync(one.Id))!.Sheet;
            db.ChangeTracker.Clear();
            foreach (var (name, bytes) in forms(new ArchivedRevision(one.Number, one.Title, one.Platform, one.Letter, one.State, sheet, pictures.Read)))
            {
                // Two numbers may come to one name.
                using var entry = zip.CreateEntry($"procedures/{(taken.Add(name) ? "" : $"{one.Id}/")}{name}").Open();
                entry.Write(bytes);
            }
        }
    }

    private static BackedUpFile Put(ZipArchive zip, string name, Action<Stream> write)
    {
        using var hash = SHA256.Create();
        long length;
        using (var entry = zip.CreateEntry(name, CompressionLevel.Fastest).Open())
        using (var counted = new Counted(new CryptoStream(entry, hash, CryptoStreamMode.Write)))
        {
            write(counted);
            length = counted.Length;
        }

        return new BackedUpFile(name, length, Convert.ToHexString(hash.Hash!));
    }

    private static List<string> TablesOf(SqliteConnection connection) =>
        Column(connection, "SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name");

    private static List<string> ColumnsOf(SqliteConnection connection, string table) =>
        Column(connection, $"SELECT name FROM pragma_table_info('{table.Replace("'", "''")}') ORDER BY cid");

    private static List<string> Column(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var rows = command.ExecuteReader();
        var all = new List<string>();
        while (rows.Read()) all.Add(rows.GetString(0));
        return all;
    }
}
