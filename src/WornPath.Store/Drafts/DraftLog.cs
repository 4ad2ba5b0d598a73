using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Entities;

namespace WornPath.Store.Drafts;

/// <summary>A sheet as the log has it, and the number of its last edit.</summary>
public sealed record StoredSheet(Sheet Sheet, int Seq, int BaseSeq, RevisionState State);

/// <summary>An entry of the log without its delta: enough to know what can be undone.</summary>
public sealed record LogLine(int Seq, string PersonId, EntryKind Kind, int? OfSeq, string Label, string ClientId);

/// <summary>
/// The log of a draft: every edit a row, on the disk before it is acknowledged. The sheet is its last snapshot with the rows
/// since done to it; a snapshot is written now and then, in the same transaction as an edit.
/// </summary>
public sealed class DraftLog(WornPathDb db, TimeProvider time)
{
    /// <summary>Edits between two snapshots: few enough that opening a draft is quick, many enough that most edits write a row alone.</summary>
    public const int SnapshotEvery = 64;

    /// <summary>The sheet of a revision; null where there is no such revision.</summary>
    public async Task<StoredSheet?> LoadAsync(int revisionId, CancellationToken cancel = default)
    {
        var stored = await db.Revisions.AsNoTracking().Where(r => r.Id == revisionId).Select(r => new { Base = r.Snapshot.Json, BaseSeq = r.Snapshot.Seq, r.Seq, r.State }).FirstOrDefaultAsync(cancel);
        if (stored is null) return null;
        var sheet = SheetJson.Read(stored.Base);
        var deltas = await db.Edits.AsNoTracking().Where(e => e.RevisionId == revisionId && e.Seq > stored.BaseSeq).OrderBy(e => e.Seq).Select(e => new { e.Seq, e.Delta }).ToListAsync(cancel);
        foreach (var row in deltas)
        {
            var next = ReadDelta(row.Delta).ApplyTo(sheet);
            sheet = next.IsGood ? next.Value : throw new InvalidDataException($"Edit {row.Seq} of revision {revisionId} does not go on its sheet: {next.Problem}");
        }

        return new StoredSheet(sheet, stored.Seq, stored.BaseSeq, stored.State);
    }

    /// <summary>The entries of a log, oldest first.</summary>
    public Task<List<LogLine>> LinesAsync(int revisionId, CancellationToken cancel = default) =>
        db.Edits.AsNoTracking().Where(e => e.RevisionId == revisionId).OrderBy(e => e.Seq).Select(e => new LogLine(e.Seq, e.PersonId, e.Kind, e.OfSeq, e.Label, e.ClientId)).ToListAsync(cancel);

    /// <summary>The delta of an entry.</summary>
    public async Task<Delta> DeltaAsync(int revisionId, int seq, CancellationToken cancel = default) =>
        ReadDelta(await db.Edits.AsNoTracking().Where(e => e.RevisionId == revisionId && e.Seq == seq).Select(e => e.Delta).SingleAsync(cancel));

    /// <summary>
    /// Writes an edit. When this returns the edit is on the disk. Throws <see cref="DbUpdateException"/> where another edit
    /// of the same number or client id is there already, or where the revision is no draft any more (a trigger of the database sees to it).
    /// </summary>
    public async Task AppendAsync(int revisionId, LogLine line, Delta delta, Sheet after, IReadOnlyCollection<Finding> findings, bool snapshot, CancellationToken cancel = default)
    {
        var now = time.GetUtcNow().UtcDateTime;
        int stops = findings.Count(f => f.Severity == Severity.Stop), steps = after.Phases.Sum(p => p.Steps.Length);
        var warnings = findings.Count - stops;
        var json = JsonSerializer.SerializeToUtf8Bytes(delta, SheetJson.Options);
        var kind = line.Kind.ToString();
        try
        {
            // One transaction: the row, and the revision's numbers for the shelf. In plain SQL: this is the one thing
            // every writer waits for, and the change tracker would take longer than the disk.
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            await db.Database.ExecuteSqlAsync($"""
                INSERT INTO Edits (RevisionId, Seq, PersonId, At, Kind, OfSeq, ClientId, Label, Delta)
                VALUES ({revisionId}, {line.Seq}, {line.PersonId}, {now}, {kind}, {line.OfSeq}, {line.ClientId}, {line.Label}, {json});
                UPDATE Revisions SET Seq = {line.Seq}, Stops = {stops}, Warnings = {warnings}, StepCount = {steps}, ChangedAt = {now} WHERE Id = {revisionId};
                """, cancel);
            if (snapshot)
            {
                var sheet = SheetJson.Write(after);
                await db.Snapshots.Where(s => s.RevisionId == revisionId).ExecuteUpdateAsync(set => set.SetProperty(s => s.Json, sheet).SetProperty(s => s.Seq, line.Seq), cancel);
            }

            await transaction.CommitAsync(cancel);
        }
        catch (SqliteException e)
        {
            throw new DbUpdateException("The edit was not written.", e);
        }
    }

    private static Delta ReadDelta(byte[] json) => JsonSerializer.Deserialize<Delta>(json, SheetJson.Options) ?? throw new InvalidDataException("An edit in the log is empty.");
}
