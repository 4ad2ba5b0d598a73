using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Store.Drafts;

namespace WornPath.Store.Tests;

/// <summary>A whole workshop out in open forms and into an empty folder again.</summary>
public sealed class ArchiveTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("wornpath-archive-test-").FullName;

    private static string Fixture(string name)
    {
        var at = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(at, "WornPath.slnx"))) at = Path.GetDirectoryName(at)!;
        return Path.Combine(at, "tests", "fixtures", name);
    }

    // A data folder of the version before, with a picture beside it.
    private string Workshop(string name = "workshop")
    {
        var folder = Directory.CreateDirectory(Path.Combine(_folder, name)).FullName;
        using (var zipped = new GZipStream(File.OpenRead(Fixture("database-before-held-parts.db.gz")), CompressionMode.Decompress))
        using (var file = File.Create(Path.Combine(folder, Backup.Database))) zipped.CopyTo(file);
        new PictureFiles(folder).Keep(new string('a', 64) + ".png", [1, 2, 3]);
        return folder;
    }

    private async Task<(string File, ArchiveManifest Manifest)> OutAsync(string folder, string name)
    {
        var file = Path.Combine(_folder, name);
        await using var stream = File.Create(file);
        var written = await Archive.WriteAsync(folder, stream, new DateTime(2026, 11, 29, 8, 0, 0, DateTimeKind.Utc), r =>
            [($"{r.Number}/{r.Number}-{r.Letter}.txt", Encoding.UTF8.GetBytes($"{r.Number} {r.State} {r.Sheet.Steps.Count()}"))]);
        written.IsGood.ShouldBeTrue(written.Problem?.ToString());
        return (file, written.Value);
    }

    private static Dictionary<string, string> Members(string file)
    {
        using var zip = ZipFile.OpenRead(file);
        return zip.Entries.ToDictionary(e => e.FullName, e =>
        {
            using var reader = new StreamReader(e.Open(), Encoding.Latin1);
            return reader.ReadToEnd();
        });
    }

    private static WornPathDb Open(string folder) => StoreSetup.Open(Path.Combine(folder, Backup.Database));

    [Fact]
    public async Task Taken_out_brought_into_an_empty_folder_and_taken_out_again_it_is_the_same_to_the_byte()
    {
        var (first, manifest) = await OutAsync(Workshop(), "a.zip");
        var into = Path.Combine(_folder, "into");
        Directory.CreateDirectory(into);
        var brought = await Archive.BringAsync(first, into);
        brought.IsGood.ShouldBeTrue(brought.Problem?.ToString());
        var (second, _) = await OutAsync(into, "b.zip");
        Members(second).ShouldBe(Members(first));
        manifest.Members.Select(m => m.Name).ShouldContain(n => n.StartsWith("files/pictures/"));
        Members(first).Keys.ShouldContain("procedures/OT-104/OT-104-A.txt");

        // It is a workshop: sheets and logs are read, what is released is guarded, and nobody can sign in before she chooses a password.
        await using var db = Open(into);
        var log = new DraftLog(db);
        foreach (var id in await db.Revisions.Select(r => r.Id).ToListAsync()) (await log.LoadAsync(id))!.Sheet.Steps.ShouldNotBeEmpty();
        var released = await db.Revisions.AsNoTracking().FirstAsync(r => r.State == RevisionState.Released);
        await Should.ThrowAsync<SqliteException>(() => db.Database.ExecuteSqlAsync($"UPDATE Snapshots SET Seq = 9 WHERE RevisionId = {released.Id}"));
        (await db.Users.AllAsync(u => u.PasswordHash == null && u.SecurityStamp != null)).ShouldBeTrue();
        (await db.Users.CountAsync()).ShouldBe(5);
    }

    [Fact]
    public async Task Every_table_goes_out_or_is_left_out_on_purpose_and_no_secret_goes()
    {
        var folder = Workshop();
        await using (var db = Open(folder)) await StoreSetup.MigrateAsync(db);
        var (file, manifest) = await OutAsync(folder, "a.zip");
        List<string> tables = [], hashes = [];
        using (var connection = new SqliteConnection($"Data Source={Path.Combine(folder, Backup.Database)};Pooling=False"))
        {
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "SELECT name, NULL FROM sqlite_master WHERE type = 'table' UNION ALL SELECT NULL, PasswordHash FROM AspNetUsers UNION ALL SELECT NULL, KeyHash FROM Sessions";
            using var rows = command.ExecuteReader();
            while (rows.Read())
                if (rows.IsDBNull(1)) tables.Add(rows.GetString(0));
                else hashes.Add(rows.GetString(1));
        }

        // Each decided by name: a new table makes this fail until somebody has said whether it holds secrets.
        string[] taken = ["AsksToWrite", "AspNetRoleClaims", "AspNetRoles", "AspNetUserClaims", "AspNetUserRoles", "AspNetUsers", "Audit",
            "Bulletins", "CommentEntries", "CommentMentions", "Comments",
            "Contributions", "Edits", "Events", "Facts", "Holdings", "InHand", "ProcedureAuthors", "Procedures", "RecordLinks", "ReviewAsks",
                "Revisions",
            "Signatures", "SignedContents", "Snapshots", "ValueChecks", "Waivers", "Workshops"];
        tables.Except(Archive.LeftOut).Order().ShouldBe(taken.Order());
        manifest.Members.Select(m => m.Name).Where(n => n.StartsWith("data/")).ShouldBe(taken.Select(t => $"data/{t}.jsonl"), ignoreOrder: true);
        hashes.Count.ShouldBeGreaterThan(4);
        var all = string.Join('\n', Members(file).Values);
        hashes.ShouldAllBe(h => !all.Contains(h));
    }

    public static TheoryData<string, string> Damages => new()
    {
        { "cut", "is damaged" },
        { "no archive", "is no archive of a workshop" },
        { "a backup", "is no archive of a workshop" },
        { "later version", "this program reads up to version 1" },
        { "later program", "is of a later program" },
        { "a member gone", "is missing from the archive" },
        { "a table gone", "is missing from the archive" },
        { "another byte", "its checksum is another" },
        { "longer than it says", "longer than the manifest says" },
        { "climbs", "outside of its folder" },
        { "unknown table", "a table this program does not know" },
        { "left out table", "a table this program does not know" },
        { "another column", "has other columns than the table" },
        { "a column less", "has other columns than the table" },
        { "no JSON", "is damaged" },
        { "last line cut", "cut short" },
        { "no such person", "does not fit together" },
        { "twice", "cannot be taken" },
        { "an odd cell", "is no value of a cell" },
        { "no members", "is damaged" },
    };

    [Theory]
    [MemberData(nameof(Damages))]
    public async Task What_is_damaged_or_of_another_kind_is_refused_and_nothing_of_it_is_there(string damage, string says)
    {
        var (file, _) = await OutAsync(Workshop(), "a.zip");
        Hurt(file, damage);
        var into = Directory.CreateDirectory(Path.Combine(_folder, "into")).FullName;
        var brought = await Archive.BringAsync(file, into);
        brought.IsGood.ShouldBeFalse(damage);
        brought.Problem!.ToString().ShouldContain(says);
        Directory.EnumerateFileSystemEntries(into).ShouldBeEmpty(damage);
        Directory.EnumerateFiles(_folder, "climbed*", SearchOption.AllDirectories).ShouldBeEmpty();
    }

    private static void Hurt(string file, string damage)
    {
        if (damage == "cut")
        {
            using var cut = File.Open(file, FileMode.Open);
            cut.SetLength(cut.Length / 2);
            return;
        }

        const string procedures = "data/Procedures.jsonl";
        var members = Members(file);
        var manifest = JsonNode.Parse(members["manifest.json"])!;
        // Where the checksum is to be right, the damage is in what was written.
        void Write(string name, string text)
        {
            members[name] = text;
            var bytes = Encoding.Latin1.GetBytes(text);
            var listed = manifest["members"]!.AsArray();
            if (listed.FirstOrDefault(m => (string)m!["name"]! == name) is { } there) listed.Remove(there);
            listed.Add(new JsonObject
            {
                ["name"] = name,
                ["bytes"] = bytes.Length,
                ["sha256"] = Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(bytes))
            });
        }

        var first = members[procedures].Split('\n')[0];
        switch (damage)
        {
            case "no archive": members.Remove("manifest.json"); break;
            case "a backup": manifest["format"] = Backup.FormatName; break;
            case "later version": manifest["version"] = 2; break;
            case "later program": manifest["migration"] = "20990101000000_Later"; break;
            case "a member gone": members.Remove(procedures); break;
            case "a table gone": manifest["members"]!.AsArray().RemoveAt(0); break;
            case "another byte": members[procedures] = members[procedures].Replace("OT-104", "OT-105"); break;
            case "longer than it says": members[procedures] += new string(' ', 5000); break;
            case "climbs": Write("files/../../climbed.txt", "x"); break;
            case "unknown table": Write("data/Elsewhere.jsonl", "{}\n"); break;
            case "left out table": Write("data/Sessions.jsonl", "{}\n"); break;
            case "another column": Write(procedures, members[procedures].Replace("\"Title\"", "\"Title\":\"x\",\"Tytle\"")); break;
            case "a column less": Write(procedures, "{\"Id\":1}\n"); break;
            case "no JSON": Write(procedures, first[..^1] + "\n"); break;
            case "last line cut": Write(procedures, members[procedures][..^1]); break;
            case "no such person": Write("data/AspNetUsers.jsonl", ""); break;
            case "twice": Write(procedures, members[procedures] + first + "\n"); break;
            case "an odd cell": Write(procedures, members[procedures].Replace("\"Id\":1,", "\"Id\":{\"utf8\":5},")); break;
            case "no members": manifest.AsObject().Remove("members"); break;
            default: throw new ArgumentException(damage);
        }

        if (damage != "no archive") members["manifest.json"] = manifest.ToJsonString();
        File.Delete(file);
        using var zip = ZipFile.Open(file, ZipArchiveMode.Create);
        foreach (var (name, text) in members)
        {
            using var entry = zip.CreateEntry(name).Open();
            entry.Write(Encoding.Latin1.GetBytes(text));
        }
    }

    /// <summary>Written by the first program that wrote archives: whatever becomes of the tables, it comes in.</summary>
    [Fact]
    public async Task An_archive_of_the_first_version_comes_in()
    {
        var into = Directory.CreateDirectory(Path.Combine(_folder, "into")).FullName;
        var brought = await Archive.BringAsync(Fixture("archive-version-1.zip"), into);
        brought.IsGood.ShouldBeTrue(brought.Problem?.ToString());
        await using var db = Open(into);
        (await db.Procedures.CountAsync()).ShouldBe(4);
        (await new DraftLog(db).LoadAsync(1))!.Sheet.Steps.Count().ShouldBe(23);
        (await Archive.BringAsync(Fixture("archive-version-1.zip"), into)).Problem!.ToString().ShouldContain("There is a workshop");
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }
}
