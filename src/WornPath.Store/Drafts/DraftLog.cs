using WornPath.Core.Workshops;
using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Quantities;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Entities;

namespace WornPath.Store.Drafts;

/// <summary>A sheet as the log has it, and the number of its last edit.</summary>
public sealed record StoredSheet(Sheet Sheet, int Seq, int BaseSeq, RevisionState State, int? WorkshopVersion);

/// <summary>An entry of the log without its delta: enough to know what can be undone.</summary>
public sealed record LogLine(int Seq, string PersonId, EntryKind Kind, int? OfSeq, string Label, string ClientId);

/// <summary>
/// The log of a draft, read: every edit a row (<see cref="EditWriter"/> writes them). The sheet is its last snapshot with the
/// rows since done to it; a snapshot is written now and then, in the same transaction as an edit.
/// </summary>
public sealed class DraftLog(WornPathDb db)
{
    /// <summary>Edits between two snapshots: few enough that opening a draft is quick, many enough that most edits write a row alone.</summary>
    public const int SnapshotEvery = 64;

    /// <summary>The sheet of a revision; null where there is no such revision.</summary>
    public async Task<StoredSheet?> LoadAsync(int revisionId, CancellationToken cancel = default)
    {
        var stored = await db.Revisions.AsNoTracking().Where(r => r.Id == revisionId).Select(r => new { Base = r.Snapshot.Json, r.Snapshot.Format, BaseSeq = r.Snapshot.Seq, r.Seq, r.State, r.WorkshopVersion }).FirstOrDefaultAsync(cancel);
        if (stored is null) return null;
        var sheet = SheetFormat.Read(stored.Base, stored.Format);
        var deltas = await db.Edits.AsNoTracking().Where(e => e.RevisionId == revisionId && e.Seq > stored.BaseSeq).OrderBy(e => e.Seq).Select(e => new { e.Seq, e.Format, e.Delta }).ToListAsync(cancel);
        foreach (var row in deltas)
        {
            var next = SheetFormat.ReadDelta<Delta>(row.Delta, row.Format).ApplyTo(sheet);
            sheet = next.IsGood ? next.Value : throw new InvalidDataException($"Edit {row.Seq} of revision {revisionId} does not go on its sheet: {next.Problem}");
        }

        return new StoredSheet(sheet, stored.Seq, stored.BaseSeq, stored.State, stored.WorkshopVersion);
    }

    /// <summary>The entries of a log, oldest first.</summary>
    public Task<List<LogLine>> LinesAsync(int revisionId, CancellationToken cancel = default) =>
        db.Edits.AsNoTracking().Where(e => e.RevisionId == revisionId).OrderBy(e => e.Seq).Select(e => new LogLine(e.Seq, e.PersonId, e.Kind, e.OfSeq, e.Label, e.ClientId)).ToListAsync(cancel);

    /// <summary>Everybody who wrote on what stands in a revision: who began it, and all of its <see cref="Contribution"/>s, carried over ones too.</summary>
    public async Task<HashSet<string>> WritersAsync(int revisionId, CancellationToken cancel = default) =>
    [
        .. await db.Contributions.AsNoTracking().Where(c => c.RevisionId == revisionId).Select(c => c.PersonId).Distinct().ToListAsync(cancel),
        await db.Revisions.Where(r => r.Id == revisionId).Select(r => r.AuthorId).SingleAsync(cancel),
    ];

    /// <summary>Whose procedure a revision is of.</summary>
    public async Task<Authorship> AuthorshipAsync(int revisionId, CancellationToken cancel = default)
    {
        var procedure = db.Revisions.Where(r => r.Id == revisionId).Select(r => r.ProcedureId);
        var authors = await db.ProcedureAuthors.AsNoTracking().Where(a => procedure.Contains(a.ProcedureId)).Select(a => new { a.PersonId, a.IsOwner, a.Person.DisplayName }).ToListAsync(cancel);
        var owner = authors.Single(a => a.IsOwner);
        return new Authorship(owner.PersonId, owner.DisplayName, authors.Where(a => !a.IsOwner).Select(a => a.PersonId).ToHashSet());
    }

    /// <summary>The waivers of a revision that nobody has taken back, oldest first. One of somebody who has written on it since does not hold.</summary>
    public async Task<ImmutableArray<Waiver>> WaiversAsync(int revisionId, CancellationToken cancel = default)
    {
        var writers = await WritersAsync(revisionId, cancel);
        var rows = await db.Waivers.AsNoTracking().Where(w => w.RevisionId == revisionId && w.TakenBackBy == null).OrderBy(w => w.Id).Select(w => new { w.PersonId, Waiver = new Waiver(w.Id, w.Key, w.Seal, w.Who, w.At, w.Reason) }).ToListAsync(cancel);
        return [.. rows.Where(w => !writers.Contains(w.PersonId)).Select(w => w.Waiver)];
    }

    /// <summary>The values second persons have read of a revision, oldest first, as far as they hold (<see cref="ValueChecks.Standing"/>).</summary>
    public async Task<ImmutableArray<ValueCheck>> ChecksAsync(int revisionId, CancellationToken cancel = default)
    {
        var writers = await WritersAsync(revisionId, cancel);
        var state = await db.Revisions.Where(r => r.Id == revisionId).Select(r => r.State).SingleAsync(cancel);
        var rows = await db.ValueChecks.AsNoTracking().Where(c => c.RevisionId == revisionId).OrderBy(c => c.Id).Select(c => new { c.Joint, c.Seal, c.Read, c.Agrees, c.Who, c.At, c.PersonId }).ToListAsync(cancel);
        return ValueChecks.Standing(rows.Select(c => (new ValueCheck(c.Joint, c.Seal, c.Read, c.Agrees, c.Who, c.At), c.PersonId)), state is RevisionState.Draft or RevisionState.InReview, writers);
    }

    /// <summary>The delta of an entry.</summary>
    public async Task<Delta> DeltaAsync(int revisionId, int seq, CancellationToken cancel = default)
    {
        var row = await db.Edits.AsNoTracking().Where(e => e.RevisionId == revisionId && e.Seq == seq).Select(e => new { e.Delta, e.Format }).SingleAsync(cancel);
        return SheetFormat.ReadDelta<Delta>(row.Delta, row.Format);
    }
}
