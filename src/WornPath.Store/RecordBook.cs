using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>
/// The record of a procedure: its edits and events in the order they came, each a link of a chain of hashes. What came first is linked first;
/// what is not linked yet is linked when the next act comes, when the record is read, or within seconds.
/// </summary>
public static class RecordBook
{
    /// <summary>The record as it stands, and whether it holds.</summary>
    /// <param name="Lines">Every line, oldest first.</param>
    /// <param name="Details">What each edit changed, in words, by the number of its line.</param>
    /// <param name="Broken">The first thing that is not as it was written; null where all is.</param>
    public sealed record Kept(IReadOnlyList<RecordLine> Lines, IReadOnlyDictionary<int, string> Details, Problem? Broken);

    // An edit or an event, not linked yet or to be held against its link.
    private sealed record Unlinked(long? EditId, int? EventId, string Revision, string What, string By, DateTime At, string Text, byte[]? Delta, int Format)
    {
        public RecordLine AsLine(int number) => new(number, Revision, What, By, DateTime.SpecifyKind(At, DateTimeKind.Utc), Text,
            Delta is null ? "" : RecordChain.Hash(Delta), "");
    }

    /// <summary>Links what is not linked yet. Within a transaction that holds the database for writing. The last link; empty where there is none.</summary>
    public static async Task<string> LinkAsync(WornPathDb db, int procedureId, CancellationToken cancel = default)
    {
        var last = await db.RecordLinks.AsNoTracking().Where(l => l.ProcedureId == procedureId).OrderByDescending(l => l.Number)
            .Select(l => new { l.Number, l.Hash }).FirstOrDefaultAsync(cancel);
        var (number, hash) = (last?.Number ?? 0, last?.Hash ?? RecordChain.Start);
        foreach (var one in await UnlinkedAsync(db, procedureId, cancel))
        {
            hash = RecordChain.HashOf(hash, one.AsLine(++number));
            db.RecordLinks.Add(new RecordLink { ProcedureId = procedureId, Number = number, EditId = one.EditId, EventId = one.EventId, Hash = hash });
        }

        await db.SaveChangesAsync(cancel);
        return hash;
    }

    /// <summary>The procedures of which something behind these edits and events is not linked.</summary>
    public static Task<List<int>> StaleAsync(WornPathDb db, long behindEdit, int behindEvent, CancellationToken cancel = default) =>
        db.Edits.Where(e => e.Id > behindEdit && !db.RecordLinks.Any(l => l.EditId == e.Id)).Select(e => e.RevisionId)
            .Union(db.Events.Where(e => e.Id > behindEvent && !db.RecordLinks.Any(l => l.EventId == e.Id)).Select(e => e.RevisionId))
            .Join(db.Revisions, id => id, r => r.Id, (_, r) => r.ProcedureId).Distinct().ToListAsync(cancel);

    /// <summary>The record of a procedure.</summary>
    public static async Task<Kept> ReadAsync(WornPathDb db, int procedureId, CancellationToken cancel = default)
    {
        var links = await db.RecordLinks.AsNoTracking().Where(l => l.ProcedureId == procedureId).OrderBy(l => l.Number).ToListAsync(cancel);
        var edits = (await Edits(db, procedureId).ToListAsync(cancel)).ToDictionary(e => e.EditId!.Value);
        var events = (await Events(db, procedureId).ToListAsync(cancel)).ToDictionary(e => e.EventId!.Value);
        List<RecordLine> lines = [];
        var changed = new Dictionary<int, Unlinked>();
        Problem? broken = null;
        foreach (var link in links)
        {
            var of = link.EditId is { } edit ? edits.GetValueOrDefault(edit) : events.GetValueOrDefault(link.EventId ?? 0);
            if (of is null)
                broken ??= new Problem($"What line {link.Number} of the record is of is gone.", "Compare it with a backup: it was taken out of the database.");
            else lines.Add(of.AsLine(link.Number) with { Hash = link.Hash });
            if (of?.Delta is not null) changed[link.Number] = of;
        }

        broken = RecordChain.Check(lines) ?? broken;
        // What does not hold may be anything, and is not read.
        var details = broken is not null ? [] : changed.ToDictionary(c => c.Key, c => DeltaWords.Of(SheetFormat.ReadDelta<Delta>(c.Value.Delta!, c.Value.Format)));
        return new Kept(lines, details, broken);
    }

    /// <summary>A sheet as it was behind a line of its record.</summary>
    /// <param name="Line">The line.</param>
    /// <param name="Sheet">The sheet of the revision it was done to.</param>
    public sealed record Moment(RecordLine Line, Sheet Sheet);

    /// <summary>The sheet as it was behind a line of the record; a problem where there is no such line, or where its edits cannot be taken back.</summary>
    public static async Task<Outcome<Moment>> AtAsync(WornPathDb db, DraftLog log, int procedureId, int number, CancellationToken cancel = default)
    {
        var record = await ReadAsync(db, procedureId, cancel);
        if (record.Broken is { } broken) return broken;
        if (record.Lines.FirstOrDefault(l => l.Number == number) is not { } line)
            return new Problem($"The record has no line {number}.", $"It has {record.Lines.Count:N0}.");
        var revision = await db.Revisions.AsNoTracking().Where(r => r.ProcedureId == procedureId && r.Letter == line.Revision).Select(r =>
            r.Id).SingleAsync(cancel);
        var sheet = (await log.LoadAsync(revision, cancel))!.Sheet;
        // What came since is taken back, the last first.
        var since = await (from link in db.RecordLinks.AsNoTracking()
                           join edit in db.Edits on link.EditId equals edit.Id
                           where link.ProcedureId == procedureId && link.Number > number && edit.RevisionId == revision
                           orderby edit.Seq descending
                           select new { edit.Delta, edit.Format }).ToListAsync(cancel);
        foreach (var edit in since)
        {
            var back = SheetFormat.ReadDelta<Delta>(edit.Delta, edit.Format).Inverse().ApplyTo(sheet);
            if (!back.IsGood) return back.Problem;
            sheet = back.Value;
        }

        return new Moment(line, sheet);
    }

    private static async Task<List<Unlinked>> UnlinkedAsync(WornPathDb db, int procedureId, CancellationToken cancel)
    {
        var edits = await Edits(db, procedureId, unlinked: true).ToListAsync(cancel);
        var events = await Events(db, procedureId, unlinked: true).ToListAsync(cancel);
        // Clocks jump, and a database from before had no record: events and edits keep their own order, and are put between each other by time.
        List<Unlinked> all = [];
        var (e, v) = (0, 0);
        while (e < edits.Count || v < events.Count)
            all.Add(v >= events.Count || e < edits.Count && edits[e].At < events[v].At ? edits[e++] : events[v++]);
        return all;
    }

    private static IQueryable<Unlinked> Edits(WornPathDb db, int procedureId, bool unlinked = false) =>
        from edit in db.Edits.AsNoTracking()
        join revision in db.Revisions on edit.RevisionId equals revision.Id
        where revision.ProcedureId == procedureId && (!unlinked || !db.RecordLinks.Any(l => l.EditId == edit.Id))
        orderby edit.Id
        select new Unlinked(edit.Id, null, revision.Letter, Word(edit.Kind.ToString()), edit.PersonId, edit.At, edit.Label, edit.Delta, edit.Format);

    private static IQueryable<Unlinked> Events(WornPathDb db, int procedureId, bool unlinked = false) =>
        from told in db.Events.AsNoTracking()
        join revision in db.Revisions on told.RevisionId equals revision.Id
        where revision.ProcedureId == procedureId && (!unlinked || !db.RecordLinks.Any(l => l.EventId == told.Id))
        orderby told.Id
        select new Unlinked(null, told.Id, revision.Letter, Word(told.Kind.ToString()), told.PersonId, told.At, told.Text, null, 0);

    private static string Word(string kind) => char.ToLowerInvariant(kind[0]) + kind[1..];
}
