using System.Collections.Concurrent;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>
/// The revisions held open in memory. An edit is carried out on the sheet held here, written to the log, and only then
/// taken and acknowledged; whatever stops the server in between, the log has every acknowledged edit.
/// </summary>
public sealed class Drafts(IServiceScopeFactory scopes, EditWriter writer, WorkshopBook book)
{
    /// <summary>How many revisions are held at most; more are read from the log again when they are asked for.</summary>
    public const int MostHeld = 200;

    private readonly ConcurrentDictionary<int, Lazy<Task<Draft?>>> _held = new();

    /// <summary>The revision, read if it is not held; null where there is none.</summary>
    public async Task<Draft?> OpenAsync(int revisionId)
    {
        if (_held.Count > MostHeld) _held.Clear();
        var lazy = _held.GetOrAdd(revisionId, id => new Lazy<Task<Draft?>>(() => ReadAsync(id)));
        try
        {
            var draft = await lazy.Value;
            if (draft is null) _held.TryRemove(revisionId, out _);
            else draft.JudgeIn(await book.ForAsync(draft.WorkshopVersion));
            return draft;
        }
        catch
        {
            // A failure is not kept: the next who asks tries again.
            _held.TryRemove(revisionId, out _);
            throw;
        }
    }

    /// <summary>Forgets a revision, so that it is read from the log anew.</summary>
    public void Close(int revisionId) => _held.TryRemove(revisionId, out _);

    /// <summary>Carries an edit out for a person. Returns what was held before it, or the problem.</summary>
    public Task<Outcome<Draft.Walked>> EditAsync(Draft draft, string personId, string clientId, Edit edit, CancellationToken cancel) =>
        ChangeAsync(draft, personId, clientId, EntryKind.Edit, _ => Task.FromResult(Editor.Apply(draft.Now.Sheet, edit).Map(a => (a.Sheet, a.Delta, a.Label, Of: (int?)null))), cancel);

    /// <summary>Takes back the person's last edit.</summary>
    public Task<Outcome<Draft.Walked>> UndoAsync(Draft draft, string personId, string clientId, CancellationToken cancel) =>
        ChangeAsync(draft, personId, clientId, EntryKind.Undo, token => AgainAsync(draft, draft.Reach(personId).Undo, "undo", d => d.Inverse(), token), cancel);

    /// <summary>Does again what the person took back last.</summary>
    public Task<Outcome<Draft.Walked>> RedoAsync(Draft draft, string personId, string clientId, CancellationToken cancel) =>
        ChangeAsync(draft, personId, clientId, EntryKind.Redo, token => AgainAsync(draft, draft.Reach(personId).Redo, "redo", d => d, token), cancel);

    private async Task<Outcome<(Sheet, Delta, string, int?)>> AgainAsync(Draft draft, LogLine? line, string word, Func<Delta, Delta> turn, CancellationToken cancel)
    {
        if (line is null) return new Problem($"There is nothing to {word}.", "Go on writing.");
        await using var scope = scopes.CreateAsyncScope();
        var log = scope.ServiceProvider.GetRequiredService<DraftLog>();
        var delta = turn(await log.DeltaAsync(draft.RevisionId, line.Seq, cancel));
        return delta.ApplyTo(draft.Now.Sheet).Map(s => (s, delta, $"{word} {line.Label}", (int?)line.Seq));
    }

    private async Task<Outcome<Draft.Walked>> ChangeAsync(Draft draft, string personId, string clientId, EntryKind kind,
        Func<CancellationToken, Task<Outcome<(Sheet Sheet, Delta Delta, string Label, int? Of)>>> change, CancellationToken cancel)
    {
        await draft.Gate.WaitAsync(cancel);
        try
        {
            // Sent twice, because the answer was lost on the way: taken once.
            var before = draft.Now;
            if (draft.Has(clientId)) return before;
            if (LifeCycle.Edit(draft.State) is { } closed) return closed;
            var done = await change(cancel);
            if (!done.IsGood) return done.Problem;
            var (sheet, delta, label, of) = done.Value;
            if (delta.IsEmpty && kind == EntryKind.Edit) return before;
            var walked = Draft.Walked.Of(sheet, before.Seq + 1, before.House, before.Reviewed);
            var line = new LogLine(walked.Seq, personId, kind, of, label.Length <= 200 ? label : label[..200], clientId);
            var snapshot = walked.Seq - draft.BaseSeq >= DraftLog.SnapshotEvery;
            writer.Append(draft.RevisionId, line, delta, sheet, walked.Findings, snapshot);
            draft.Take(walked, line, snapshot);
            return before;
        }
        catch (Microsoft.EntityFrameworkCore.DbUpdateException)
        {
            // What is held is not what the log has (or no draft any more): read it anew before anybody builds on it.
            Close(draft.RevisionId);
            throw;
        }
        finally
        {
            draft.Gate.Release();
        }
    }

    private async Task<Draft?> ReadAsync(int revisionId)
    {
        await using var scope = scopes.CreateAsyncScope();
        var log = scope.ServiceProvider.GetRequiredService<DraftLog>();
        if (await log.LoadAsync(revisionId) is not { } stored) return null;
        var reviewed = new Draft.Reviewed(stored.State, await log.WaiversAsync(revisionId), await log.ChecksAsync(revisionId));
        return new Draft(revisionId, stored, await log.LinesAsync(revisionId), reviewed, await book.ForAsync(stored.WorkshopVersion));
    }
}
