using WornPath.Core.Findings;
using System.IO.Compression;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Store.Tests;

/// <summary>A workshop in one file, taken while it is written to, and put back into an empty folder.</summary>
public sealed class BackupTests : IDisposable
{
    private static readonly DateTime At = new(2026, 11, 26, 8, 0, 0, DateTimeKind.Utc);

    private readonly string _folder = Directory.CreateTempSubdirectory("wornpath-backup-test-").FullName;

    private string In(string name) => Path.Combine(_folder, name);

    [Fact]
    public async Task A_backup_under_eight_writers_is_a_moment_of_the_log_and_comes_back_equal()
    {
        await using var store = await StoreOnDisk.NewAsync();
        Directory.CreateDirectory(Path.Combine(store.Folder, Backup.Beside, "ab"));
        await File.WriteAllTextAsync(Path.Combine(store.Folder, Backup.Beside, "ab", "figure.svg"), "<svg/>");
        var sheet = (await store.LoadAsync()).Sheet;
        var seq = 0;
        var gate = new Lock();
        var acknowledged = 0;
        using var stop = new CancellationTokenSource();
        var writers = Enumerable.Range(0, 8).Select(w => Task.Run(() =>
        {
            while (!stop.IsCancellationRequested)
                lock (gate)
                {
                    sheet = store.Append(sheet, ++seq, new InsertStep($"w{w}-{seq}", "h1", null, $"Clean face {seq}."), snapshot: seq % 64 == 0);
                    acknowledged = seq;
                }
        })).ToList();
        while (Volatile.Read(ref acknowledged) < 100) await Task.Delay(5);
        for (var i = 0; i < 5; i++)
        {
            var from = Volatile.Read(ref acknowledged);
            Backup.Write(store.Folder, In($"b{i}.zip"), At).IsGood.ShouldBeTrue();
            var to = Volatile.Read(ref acknowledged);
            Directory.CreateDirectory(In($"r{i}"));
            Backup.Restore(In($"b{i}.zip"), In($"r{i}"), At).Value.ShouldBeNull();
            (await File.ReadAllTextAsync(Path.Combine(In($"r{i}"), Backup.Beside, "ab", "figure.svg"))).ShouldBe("<svg/>");
            await using var db = Open(In($"r{i}"));
            var restored = (await new DraftLog(db).LoadAsync(store.RevisionId))!;
            // Everything acknowledged before it began is in it, and nothing that came half.
            restored.Seq.ShouldBeInRange(from, to + 1);
            restored.Sheet.Steps.Count().ShouldBe(restored.Seq);
        }

        await stop.CancelAsync();
        await Task.WhenAll(writers);
        Backup.Write(store.Folder, In("last.zip"), At).Value.Files.Select(f => f.Name).ShouldBe([Backup.Database, "files/ab/figure.svg"]);
        Directory.CreateDirectory(In("last"));
        Backup.Restore(In("last.zip"), In("last"), At).IsGood.ShouldBeTrue();
        Dump(Path.Combine(In("last"), Backup.Database)).ShouldBe(Dump(store.File));
    }

    [Theory]
    [InlineData("cut off")]
    [InlineData("a byte of the database changed")]
    [InlineData("no archive")]
    [InlineData("another archive")]
    [InlineData("a file missing")]
    [InlineData("of a later form")]
    [InlineData("of a later database")]
    [InlineData("out of its folder")]
    public async Task A_backup_that_is_damaged_or_newer_is_refused_and_nothing_is_touched(string how)
    {
        await using var store = await StoreOnDisk.NewAsync();
        store.Append((await store.LoadAsync()).Sheet, 1, new InsertStep("s1", "h1", null, "x"));
        if (how == "of a later database")
        {
            await using var db = store.Open();
            await db.Database.ExecuteSqlRawAsync("INSERT INTO __EFMigrationsHistory VALUES ('20991231000000_Later', '99.0')");
        }

        var file = In("backup.zip");
        Backup.Write(store.Folder, file, At).IsGood.ShouldBeTrue();
        var bytes = await File.ReadAllBytesAsync(file);
        switch (how)
        {
            case "cut off": await File.WriteAllBytesAsync(file, bytes[..(bytes.Length / 2)]); break;
            case "no archive": await File.WriteAllTextAsync(file, "not at all"); break;
            case "another archive": Rewrite(file, (name, _) => name == "manifest.json" ? null : []); break;
            case "a file missing": Rewrite(file, (name, content) => name == Backup.Database ? null : content); break;
            case "a byte of the database changed": Rewrite(file, (name, content) => name == Backup.Database ? [.. content[..5000], (byte)(content[5000] ^ 1), .. content[5001..]] : content); break;
            case "of a later form": Rewrite(file, (name, content) => name == "manifest.json" ? With(content, "version", 99) : content); break;
            case "out of its folder": Rewrite(file, (name, content) => name == "manifest.json" ? Encoding.UTF8.GetBytes(Encoding.UTF8.GetString(content).Replace("\"name\":\"wornpath.db\"", "\"name\":\"wornpath.db\",\"bytes\":0,\"sha256\":\"\"},{\"name\":\"../evil\"")) : content); break;
        }

        var data = Directory.CreateDirectory(In("data")).FullName;
        await File.WriteAllTextAsync(Path.Combine(data, Backup.Database), "what stands");
        var refused = Backup.Restore(file, data, At);
        refused.IsGood.ShouldBeFalse();
        refused.Problem!.WhatToDo.ShouldNotBeEmpty();
        Directory.EnumerateFileSystemEntries(data).Select(Path.GetFileName).ShouldBe([Backup.Database]);
        (await File.ReadAllTextAsync(Path.Combine(data, Backup.Database))).ShouldBe("what stands");
        File.Exists(In("evil")).ShouldBeFalse();
    }

    [Fact]
    public async Task A_picture_is_whole_under_its_name_or_not_there_and_no_name_leads_elsewhere()
    {
        await using var store = await StoreOnDisk.NewAsync();
        var pictures = new PictureFiles(store.Folder);
        var key = new string('c', 64) + ".png";
        pictures.Read(key).ShouldBeNull();
        // Eight put the same one in at once.
        await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => Task.Run(() => pictures.Keep(key, [1, 2, 3]))));
        pictures.Read(key).ShouldBe([1, 2, 3]);
        Directory.GetFiles(Path.Combine(store.Folder, Backup.Beside), "*", SearchOption.AllDirectories).Select(Path.GetFileName).ShouldBe([key]);
        foreach (var bad in (string[])["", "../x.png", $"{new string('c', 60)}/../.png", new string('C', 64) + ".png", key + "x"])
        {
            pictures.Has(bad).ShouldBeFalse();
            pictures.Read(bad).ShouldBeNull();
            Should.Throw<ArgumentException>(() => pictures.Keep(bad, [1]));
        }

        Backup.Write(store.Folder, In("p.zip"), At).IsGood.ShouldBeTrue();
        Directory.CreateDirectory(In("p"));
        Backup.Restore(In("p.zip"), In("p"), At).Value.ShouldBeNull();
        new PictureFiles(In("p")).Read(key).ShouldBe([1, 2, 3]);
    }

    [Fact]
    public async Task What_stood_before_is_put_aside_and_not_lost()
    {
        await using var store = await StoreOnDisk.NewAsync();
        Backup.Write(store.Folder, In("b.zip"), At).IsGood.ShouldBeTrue();
        var data = Directory.CreateDirectory(In("data")).FullName;
        await File.WriteAllTextAsync(Path.Combine(data, Backup.Database), "what stood");
        var aside = Backup.Restore(In("b.zip"), data, At).Value!;
        (await File.ReadAllTextAsync(Path.Combine(aside, Backup.Database))).ShouldBe("what stood");
        Backup.Damage(Path.Combine(data, Backup.Database)).ShouldBeNull();
    }

    [Fact]
    public async Task An_open_sheet_that_was_doctored_in_a_backup_is_found_after_the_restore_and_goes_back_to_its_author()
    {
        await using var store = await StoreOnDisk.NewAsync();
        var sheet = (await store.LoadAsync()).Sheet;
        sheet = store.Append(sheet, 1, new AddThing(ThingKind.Joint, "cover bolts", false));
        sheet = store.Append(sheet, 2, new InsertStep("s1", "h1", null, "Start the cover bolts by hand."), snapshot: true);
        await using var db = store.Open();
        var doctored = sheet with { Phases = [sheet.Phases[0] with { Steps = [sheet.Phases[0].Steps[0] with { Actions = [new StepAction { Verb = Verb.Torque, Target = "J1" }] }] }] };
        await db.Snapshots.ExecuteUpdateAsync(set => set.SetProperty(s => s.Json, SheetJson.Write(doctored)));
        await db.Revisions.ExecuteUpdateAsync(set => set.SetProperty(r => r.State, RevisionState.InReview));
        (await RestoredSheets.ReadAnewAsync(db, At)).ShouldBe(1);
        (await RestoredSheets.ReadAnewAsync(db, At)).ShouldBe(0);
        var found = WalkSet.Run((await store.LoadAsync()).Sheet, Core.Workshops.Workshop.Default).Findings.Single(f => f.Rule == "RED002");
        found.Message.ShouldContain("The file says torque J1 cover bolts; the sentence says start by hand J1 cover bolts.");
        (await store.LoadAsync()).State.ShouldBe(RevisionState.Draft);
        (await db.Events.AsNoTracking().SingleAsync(e => e.Kind == ReviewEventKind.Returned)).Text.ShouldContain("sentences");
    }

    [Fact]
    public void One_program_a_folder_and_the_second_is_told_who_has_it()
    {
        var first = FolderLock.Take(_folder, "the server at http://127.0.0.1:5200", At);
        var second = FolderLock.Take(_folder, "another", At);
        second.Problem!.What.ShouldContain("in use by the server at http://127.0.0.1:5200 (process");
        first.Value.Dispose();
        using var third = FolderLock.Take(_folder, "another", At).Value;
    }

    private static byte[] With(byte[] json, string name, int value)
    {
        var node = JsonNode.Parse(json)!;
        node[name] = value;
        return Encoding.UTF8.GetBytes(node.ToJsonString());
    }

    private static void Rewrite(string file, Func<string, byte[], byte[]?> change)
    {
        using var archive = ZipFile.Open(file, ZipArchiveMode.Update);
        foreach (var entry in archive.Entries.ToList())
        {
            using var memory = new MemoryStream();
            using (var stream = entry.Open()) stream.CopyTo(memory);
            var name = entry.FullName;
            entry.Delete();
            if (change(name, memory.ToArray()) is not { } content) continue;
            using var to = archive.CreateEntry(name).Open();
            to.Write(content);
        }
    }

    private static WornPathDb Open(string folder)
    {
        var options = new DbContextOptionsBuilder<WornPathDb>();
        StoreSetup.Configure(options, Path.Combine(folder, Backup.Database));
        return new WornPathDb(options.Options);
    }

    // Every row of every table, and what the schema is.
    private static string Dump(string database)
    {
        using var connection = new SqliteConnection($"Data Source={database};Pooling=False");
        connection.Open();
        List<string> Ask(string sql)
        {
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            using var reader = command.ExecuteReader();
            var rows = new List<string>();
            while (reader.Read()) rows.Add(string.Join('|', Enumerable.Range(0, reader.FieldCount).Select(i => reader.IsDBNull(i) ? "∅" : reader.GetValue(i) is byte[] b ? Convert.ToHexString(b) : reader.GetValue(i).ToString())));
            return rows;
        }

        var all = Ask("SELECT type, name, sql FROM sqlite_master ORDER BY type, name");
        foreach (var table in Ask("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")) all.AddRange(Ask($"SELECT * FROM \"{table}\"").Order(StringComparer.Ordinal).Select(r => $"{table}: {r}"));
        return string.Join('\n', all);
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }
}
