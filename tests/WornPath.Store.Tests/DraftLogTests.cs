using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;

namespace WornPath.Store.Tests;

public class DraftLogTests
{
    [Fact]
    public async Task A_sheet_is_its_snapshot_and_the_edits_since()
    {
        await using var store = await StoreOnDisk.NewAsync();
        var sheet = (await store.LoadAsync()).Sheet;
        for (var i = 1; i <= 30; i++)
            sheet = store.Append(sheet, i, i % 3 == 0 ? new AddThing(ThingKind.Part, $"part {i}", false) : new InsertStep($"s{i}", "h1", null, $"Remove part {i / 3 * 3}."), snapshot: i == 17);
        var loaded = await store.LoadAsync();
        loaded.Seq.ShouldBe(30);
        loaded.BaseSeq.ShouldBe(17);
        JsonSerializer.Serialize(loaded.Sheet, SheetJson.Options).ShouldBe(JsonSerializer.Serialize(sheet, SheetJson.Options));
    }

    [Fact]
    public async Task The_connection_is_durable_and_keeps_its_references()
    {
        await using var store = await StoreOnDisk.NewAsync();
        await using var db = store.Open();
        await db.Database.OpenConnectionAsync();
        async Task<long> Pragma(string name) => await db.Database.SqlQueryRaw<long>($"SELECT {name} AS Value FROM pragma_{name}()").SingleAsync();
        (await Pragma("synchronous")).ShouldBe(2); // FULL
        (await Pragma("foreign_keys")).ShouldBe(1);
        (await db.Database.SqlQueryRaw<string>("SELECT journal_mode AS Value FROM pragma_journal_mode()").SingleAsync()).ShouldBe("wal");
    }

    [Fact]
    public async Task An_edit_of_a_number_or_client_that_is_there_already_is_refused()
    {
        await using var store = await StoreOnDisk.NewAsync();
        var start = (await store.LoadAsync()).Sheet;
        store.Append(start, 1, new InsertStep("s1", "h1", null, "x"), clientId: "client-1");
        Should.Throw<DbUpdateException>(() => store.Append(start, 1, new InsertStep("s2", "h1", null, "y")));
        Should.Throw<DbUpdateException>(() => store.Append(start, 2, new InsertStep("s2", "h1", null, "y"), clientId: "client-1"));
        (await store.LoadAsync()).Sheet.Steps.Select(s => s.Text).ShouldBe(["x"]);
    }

    [Fact]
    public async Task The_database_itself_refuses_to_change_what_is_no_draft()
    {
        await using var store = await StoreOnDisk.NewAsync();
        var sheet = (await store.LoadAsync()).Sheet;
        sheet = store.Append(sheet, 1, new InsertStep("s1", "h1", null, "x"));
        await using var db = store.Open();
        async Task Become(RevisionState state) => await db.Revisions.ExecuteUpdateAsync(s => s.SetProperty(r => r.State, state));
        await Become(RevisionState.InReview);
        Should.Throw<DbUpdateException>(() => store.Append(sheet, 2, new InsertStep("s2", "h1", null, "y")));
        await Become(RevisionState.Released);
        await Should.ThrowAsync<SqliteException>(() => db.Snapshots.ExecuteUpdateAsync(s => s.SetProperty(r => r.Json, [1])));
        await Should.ThrowAsync<SqliteException>(() => db.Snapshots.ExecuteDeleteAsync());
        await Should.ThrowAsync<SqliteException>(() => db.Edits.ExecuteUpdateAsync(s => s.SetProperty(e => e.Label, "z")));
        await Should.ThrowAsync<SqliteException>(() => Become(RevisionState.Draft));
        await Become(RevisionState.Superseded);
        (await store.LoadAsync()).Sheet.Steps.Single().Text.ShouldBe("x");
    }

    [Fact]
    public async Task An_edit_that_does_not_reach_the_disk_leaves_no_trace()
    {
        await using var store = await StoreOnDisk.NewAsync();
        var sheet = (await store.LoadAsync()).Sheet;
        sheet = store.Append(sheet, 1, new InsertStep("s1", "h1", null, "kept"));
        // The disk is full: no page more than there are.
        using (var writer = new Drafts.EditWriter(() => Full(StoreSetup.OpenForWriting(store.File)), TimeProvider.System))
        {
            var applied = Editor.Apply(sheet, new InsertStep("s2", "h1", null, new string('x', 3900))).Value;
            for (var i = 0; i < 40; i++)
            {
                var line = new Drafts.LogLine(2, "ines", Entities.EntryKind.Edit, null, "lost", $"client-{i}");
                if (Record.Exception(() => writer.Append(store.RevisionId, line, new Delta([.. Enumerable.Repeat(applied.Delta.Changes[0], 40)]), applied.Sheet, [], false)) is { } full)
                {
                    full.ShouldBeOfType<DbUpdateException>().InnerException.ShouldBeOfType<SqliteException>().SqliteErrorCode.ShouldBe(13); // SQLITE_FULL
                    break;
                }

                i.ShouldBeLessThan(39, "the disk should have been full by now");
            }
        }

        var loaded = await store.LoadAsync();
        loaded.Seq.ShouldBe(1);
        loaded.Sheet.Steps.Single().Text.ShouldBe("kept");
    }

    private static SqliteConnection Full(SqliteConnection connection)
    {
        using var command = connection.CreateCommand();
        command.CommandText = "PRAGMA max_page_count = 1";
        command.ExecuteNonQuery();
        return connection;
    }
}
