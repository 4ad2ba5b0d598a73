using System.Globalization;
using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>
/// Holds what is still open in a database against its own sentences, as a file that comes in is: after a restore, and where the
/// reader of sentences is another than read it. What was released keeps its reading.
/// </summary>
public static class RestoredSheets
{
    /// <summary>Reads every open revision anew. One in review that carries something else than it says goes back to its author. Returns how many differ.</summary>
    public static Task<int> ReadAnewAsync(WornPathDb db, DateTime at, CancellationToken cancel = default) =>
        ReadAsync(db, at, everything: true, "Restored from a backup", "read anew after a restore", cancel);

    /// <summary>
    /// Reads the open revisions anew that a former reader read, once for each reader: the database keeps which one went through it. Steps keep
    /// what they carry, and where their sentence now says something else it is a finding at the step, to take or to leave. Returns how many differ.
    /// </summary>
    public static async Task<int> ReadByNewReaderAsync(WornPathDb db, DateTime at, CancellationToken cancel = default)
    {
        var reader = SentenceReader.Version.ToString(CultureInfo.InvariantCulture);
        if (await db.Facts.SingleOrDefaultAsync(f => f.Name == ReadBy, cancel) is not { } fact) db.Facts.Add(fact = new Fact { Name = ReadBy, Value = "" });
        else if (fact.Value == reader) return 0;
        var differ = await ReadAsync(db, at, everything: false, "A new reader of sentences", "read anew by a new reader of sentences", cancel);
        fact.Value = reader;
        await db.SaveChangesAsync(cancel);
        return differ;
    }

    private const string ReadBy = "reader";

    private static async Task<int> ReadAsync(WornPathDb db, DateTime at, bool everything, string who, string label, CancellationToken cancel)
    {
        var log = new DraftLog(db);
        var differ = 0;
        foreach (var revision in await db.Revisions.Include(r => r.Author).Include(r => r.Snapshot).Where(r =>
            (r.State == RevisionState.Draft || r.State == RevisionState.InReview)).OrderBy(r => r.Id).ToListAsync(cancel))
        {
            var stored = (await log.LoadAsync(revision.Id, cancel))!;
            if (!everything && stored.Sheet.Reader >= SentenceReader.Version) continue;
            var anew = Editor.ReadAnew(stored.Sheet) with { Reader = SentenceReader.Version };
            var delta = Delta.Between(stored.Sheet, anew);
            if (delta.IsEmpty && stored.Sheet.Reader == anew.Reader) continue;
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            if (!delta.IsEmpty)
            {
                differ++;
                if (revision.State == RevisionState.InReview)
                {
                    revision.State = RevisionState.Draft;
                    db.Events.Add(new ReviewEvent { RevisionId = revision.Id, Kind = ReviewEventKind.Returned, PersonId = revision.AuthorId, Who = who, At = at, Text = "What some steps carry is not what their sentences say: see the findings." });
                    await db.SaveChangesAsync(cancel);
                }

                revision.Seq++;
                revision.ChangedAt = at;
                db.Edits.Add(new EditEntry { RevisionId = revision.Id, Seq = revision.Seq, PersonId = revision.AuthorId, At = at, Kind = EntryKind.Edit, ClientId = $"anew-{Guid.NewGuid():N}", Label = label, Delta = JsonSerializer.SerializeToUtf8Bytes(delta, SheetJson.Options) });
            }

            // Written whole with the reader that read it; one in review is not touched where nothing differs.
            if (revision.State == RevisionState.Draft)
            {
                revision.Snapshot.Json = SheetJson.Write(anew);
                revision.Snapshot.Format = SheetFormat.Newest;
                revision.Snapshot.Seq = revision.Seq;
            }

            await db.SaveChangesAsync(cancel);
            await transaction.CommitAsync(cancel);
        }

        return differ;
    }
}
