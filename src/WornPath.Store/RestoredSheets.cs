using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>Holds what is still open in a restored database against its own sentences, as a file that comes in is. What was released keeps its reading.</summary>
public static class RestoredSheets
{
    /// <summary>Reads every open revision anew. One in review that carries something else than it says goes back to its author. Returns how many differ.</summary>
    public static async Task<int> ReadAnewAsync(WornPathDb db, DateTime at, CancellationToken cancel = default)
    {
        var log = new DraftLog(db);
        var differ = 0;
        foreach (var revision in await db.Revisions.Include(r => r.Author).Where(r => r.State == RevisionState.Draft || r.State == RevisionState.InReview).OrderBy(r => r.Id).ToListAsync(cancel))
        {
            var stored = (await log.LoadAsync(revision.Id, cancel))!;
            var anew = Editor.ReadAnew(stored.Sheet);
            var delta = Delta.Between(stored.Sheet, anew);
            if (delta.IsEmpty) continue;
            differ++;
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            if (revision.State == RevisionState.InReview)
            {
                revision.State = RevisionState.Draft;
                db.Events.Add(new ReviewEvent { RevisionId = revision.Id, Kind = ReviewEventKind.Returned, PersonId = revision.AuthorId, Who = "Restored from a backup", At = at, Text = "What some steps carry is not what their sentences say: see the findings." });
                await db.SaveChangesAsync(cancel);
            }

            revision.Seq++;
            revision.ChangedAt = at;
            db.Edits.Add(new EditEntry { RevisionId = revision.Id, Seq = revision.Seq, PersonId = revision.AuthorId, At = at, Kind = EntryKind.Edit, ClientId = $"restore-{Guid.NewGuid():N}", Label = "read anew after a restore", Delta = JsonSerializer.SerializeToUtf8Bytes(delta, SheetJson.Options) });
            await db.SaveChangesAsync(cancel);
            await transaction.CommitAsync(cancel);
        }

        return differ;
    }
}
