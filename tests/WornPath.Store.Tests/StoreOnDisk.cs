using WornPath.Core.Workshops;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Store.Tests;

/// <summary>A database in a folder of its own, with one author and one draft.</summary>
internal sealed class StoreOnDisk : IAsyncDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("wornpath-store-").FullName;

    private readonly EditWriter _writer;

    private StoreOnDisk() => _writer = new EditWriter(() => StoreSetup.OpenForWriting(File), TimeProvider.System);

    public int RevisionId { get; private set; }

    public string Folder => _folder;

    public string File => Path.Combine(_folder, Backup.Database);

    public static async Task<StoreOnDisk> NewAsync()
    {
        var store = new StoreOnDisk();
        await using var db = store.Open();
        await StoreSetup.MigrateAsync(db);
        db.Users.Add(new Person { Id = "ines", UserName = "ines", DisplayName = "Ines", NameKey = "INES" });
        var sheet = Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, "Work")).Value.Sheet;
        var revision = new Revision { Letter = "A", State = RevisionState.Draft, AuthorId = "ines", Snapshot = new SheetSnapshot { Json = SheetJson.Write(sheet) }, Procedure = new Procedure { Number = "1", Title = "One" } };
        db.Revisions.Add(revision);
        await db.SaveChangesAsync();
        store.RevisionId = revision.Id;
        return store;
    }

    public WornPathDb Open()
    {
        var options = new DbContextOptionsBuilder<WornPathDb>();
        StoreSetup.Configure(options, File);
        return new WornPathDb(options.Options);
    }

    /// <summary>Writes an edit to the log as the application does.</summary>
    public Sheet Append(Sheet sheet, int seq, Edit edit, bool snapshot = false, string? clientId = null)
    {
        var applied = Editor.Apply(sheet, edit).Value;
        var findings = WalkSet.Run(applied.Sheet, Workshop.Default).Findings;
        _writer.Append(RevisionId, new LogLine(seq, "ines", EntryKind.Edit, null, applied.Label, clientId ?? Guid.NewGuid().ToString()), applied.Delta, applied.Sheet, findings, snapshot);
        return applied.Sheet;
    }

    public async Task<StoredSheet> LoadAsync()
    {
        await using var db = Open();
        return (await new DraftLog(db).LoadAsync(RevisionId))!;
    }

    public ValueTask DisposeAsync()
    {
        _writer.Dispose();
        SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
        return ValueTask.CompletedTask;
    }
}
