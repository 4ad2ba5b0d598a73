using System.Diagnostics;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Formats;
using WornPath.Store;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>
/// The revisions a request works on, held until it ends. An edit is carried out on the sheet held in memory, written to the log,
/// and only then taken and acknowledged; whatever stops the server in between, the log has every acknowledged edit.
/// </summary>
public sealed class Drafts(DraftKeeper keeper, EditWriter writer, DraftLog log, Live live, ShelfIndexer shelf, Measures measures,
    PictureFiles pictures) : IDisposable
{
    private readonly List<DraftKeeper.Lease> _leases = [];

    /// <summary>The revision, read if it is not held; null where there is none.</summary>
    public async Task<Draft?> OpenAsync(int revisionId)
    {
        if (_leases.Find(l => l.Draft.RevisionId == revisionId) is { Draft.IsOutdated: false } have) return have.Draft;
        if (await keeper.LeaseAsync(revisionId) is not { } lease) return null;
        _leases.Add(lease);
        return lease.Draft;
    }

    /// <summary>Has a revision read from the log anew before anybody works on with it.</summary>
    public void Outdate(int revisionId) => keeper.Outdate(revisionId);

    /// <summary>Carries an edit out for a person. Returns what was held before it, or the problem.</summary>
    /// <param name="alsoBy">Who suggested it, where another did.</param>
    public Task<Outcome<Draft.Walked>> EditAsync(Draft draft, string personId, string clientId, Edit edit, CancellationToken cancel, string? alsoBy = null) =>
        ChangeAsync(draft, personId, clientId, EntryKind.Edit, _ => Task.FromResult(Apply(draft.Now.Sheet, edit).Map(a => (a.Sheet, a.Delta,
            a.Label, Of: (int?)null))), cancel, alsoBy);

    // A figure shows only a picture that is kept here.
    private Outcome<Applied> Apply(Sheet sheet, Edit edit)
    {
        var applied = Editor.Apply(sheet, edit);
        if (!applied.IsGood || applied.Value.Sheet.Phases == sheet.Phases) return applied;
        var shown = FilePictures.KeysOf(sheet).ToHashSet();
        return FilePictures.KeysOf(applied.Value.Sheet).All(k => shown.Contains(k) || pictures.Has(k)) ? applied
            : new Problem("The figure's picture is not kept here.", "Choose the picture again.");
    }

    /// <summary>Takes back the person's last edit.</summary>
    public Task<Outcome<Draft.Walked>> UndoAsync(Draft draft, string personId, string clientId, CancellationToken cancel) =>
        ChangeAsync(draft, personId, clientId, EntryKind.Undo, token => AgainAsync(draft, draft.Reach(personId).Undo, "undo", d => d.Inverse(), token), cancel);

    /// <summary>Does again what the person took back last.</summary>
    public Task<Outcome<Draft.Walked>> RedoAsync(Draft draft, string personId, string clientId, CancellationToken cancel) =>
        ChangeAsync(draft, personId, clientId, EntryKind.Redo, token => AgainAsync(draft, draft.Reach(personId).Redo, "redo", d => d, token), cancel);

    public void Dispose()
    {
        foreach (var lease in _leases) lease.Dispose();
        _leases.Clear();
    }

    private async Task<Outcome<(Sheet, Delta, string, int?)>> AgainAsync(Draft draft, LogLine? line, string word, Func<Delta, Delta> turn, CancellationToken cancel)
    {
        if (line is null) return new Problem($"There is nothing to {word}.", "Go on writing.");
        var delta = turn(await log.DeltaAsync(draft.RevisionId, line.Seq, cancel));
        return Editor.Again(draft.Now.Sheet, delta).Map(a => (a.Sheet, a.Delta, $"{word} {line.Label}", (int?)line.Seq));
    }

    private async Task<Outcome<Draft.Walked>> ChangeAsync(Draft draft, string personId, string clientId, EntryKind kind,
        Func<CancellationToken, Task<Outcome<(Sheet Sheet, Delta Delta, string Label, int? Of)>>> change, CancellationToken cancel,
        string? alsoBy = null)
    {
        var watch = Stopwatch.GetTimestamp();
        var done = await TakeAsync(draft, personId, clientId, kind, change, alsoBy, cancel);
        measures.Edited(done.IsGood, Stopwatch.GetElapsedTime(watch));
        return done;
    }

    private async Task<Outcome<Draft.Walked>> TakeAsync(Draft draft, string personId, string clientId, EntryKind kind,
        Func<CancellationToken, Task<Outcome<(Sheet Sheet, Delta Delta, string Label, int? Of)>>> change, string? alsoBy,
        CancellationToken cancel)
    {
        await draft.Gate.WaitAsync(cancel);
        try
        {
            // What the log has gained behind our back is read, and the edit is tried on that; twice in a row is no accident any more.
            for (var tries = 1; ; tries++)
            {
                if (draft.IsOutdated) await keeper.ReloadAsync(draft);
                // Sent twice, because the answer was lost on the way: taken once.
                var before = draft.Now;
                if (draft.Has(clientId)) return before;
                if ((LifeCycle.Edit(draft.State) ?? draft.Authorship.Write(personId)) is { } closed) return closed;
                var done = await change(cancel);
                if (!done.IsGood) return done.Problem;
                var (sheet, delta, label, of) = done.Value;
                if (delta.IsEmpty && kind == EntryKind.Edit) return before;
                var walked = Draft.Walked.Of(sheet, before.Seq + 1, before.House, before.Reviewed);
                var line = new LogLine(walked.Seq, personId, kind, of, label.Length <= 200 ? label : label[..200], clientId);
                var snapshot = walked.Seq - draft.BaseSeq >= DraftLog.SnapshotEvery;
                try
                {
                    writer.Append(draft.RevisionId, line, delta, sheet, walked.Findings, snapshot, alsoBy);
                }
                catch (DbUpdateException e)
                {
                    draft.IsOutdated = true;
                    if (e.InnerException is not SqliteException { SqliteErrorCode: 19 }) throw;
                    if (tries < 3) continue;
                    return new Problem("Somebody else wrote at the same moment.", "Send it again.") { Again = true };
                }

                draft.Take(walked, line, snapshot);
                // Who wrote on it is read anew.
                if (alsoBy is not null) draft.IsOutdated = true;
                live.Changed(draft.RevisionId, walked.Seq);
                shelf.Touch();
                return before;
            }
        }
        finally
        {
            draft.Gate.Release();
        }
    }
}
