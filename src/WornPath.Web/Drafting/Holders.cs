using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;

namespace WornPath.Web.Drafting;

/// <summary>
/// Who has had a released revision in her hands, and by what way: written down as it happens, told where a bulletin is out, and written to when one
/// comes out.
/// </summary>
public sealed partial class Holders(WornPathDb db, Mailbox mail, Live live, TimeProvider time, ILogger<Holders> log)
{
    /// <summary>Somebody who has had a revision.</summary>
    /// <param name="Who">Name and account.</param>
    /// <param name="Letter">The revision.</param>
    /// <param name="Ways">How, with the last time of each.</param>
    /// <param name="Told">True where she has opened it since the last bulletin, and so has seen it; null while there is none.</param>
    /// <param name="Mailed">True where she had it when the bulletin came out, and has an address: she was written to.</param>
    public sealed record HolderView(string Who, string Letter, IReadOnlyList<WayView> Ways, bool? Told, bool Mailed);

    /// <summary>One way somebody came to have it.</summary>
    public sealed record WayView(HoldingKind Kind, DateTime First, DateTime Last);

    // Whoever looks again within this time looks the same time.
    private static readonly TimeSpan OneLook = TimeSpan.FromMinutes(5);

    /// <summary>Writes down that a person has it now; of what is no revision people work from, or was, nothing is written.</summary>
    public async Task NoteAsync(Revision revision, string personId, HoldingKind kind)
    {
        if (revision.State is RevisionState.Draft or RevisionState.InReview) return;
        var now = time.GetUtcNow().UtcDateTime;
        var there = await db.Holdings.AsNoTracking().Where(r => r.RevisionId == revision.Id && r.PersonId == personId && r.Kind == kind)
            .Select(r => (DateTime?)r.Last).FirstOrDefaultAsync();
        var told = await db.Bulletins.AsNoTracking().Where(b => b.RevisionId == revision.Id).MaxAsync(b => (DateTime?)b.At);
        if (there is { } last && now - last < OneLook && !(told > last)) return;
        var who = await db.WhoAsync(personId);
        try
        {
            // Two pages of one person at once: the later only moves the time on.
            await db.Database.ExecuteSqlAsync($"""
                INSERT INTO Holdings (RevisionId, PersonId, Kind, Who, First, Last) VALUES ({revision.Id}, {personId}, {kind.ToString()},
                    {who}, {now}, {now})
                ON CONFLICT (RevisionId, PersonId, Kind) DO UPDATE SET Last = excluded.Last, Who = excluded.Who
                """);
            live.Held(revision.Id);
        }
        catch (SqliteException full)
        {
            // Who wants to read is not kept from it by a full disk.
            NotNoted(log, who, revision.Id, full);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "That {Who} has revision {Revision} could not be written down.")]
    private static partial void NotNoted(ILogger log, string who, int revision, Exception why);

    [LoggerMessage(Level = LogLevel.Warning, Message = "The message to {Who} about a bulletin could not be put into the outbox.")]
    private static partial void NotMailed(ILogger log, string who, Exception why);

    /// <summary>Everybody who has had a revision of a procedure that is released, or was before it, who had it last first.</summary>
    public async Task<IReadOnlyList<HolderView>> OfAsync(Revision revision)
    {
        var rows = await (from holding in db.Holdings.AsNoTracking()
                          join of in db.Revisions on holding.RevisionId equals of.Id
                          join person in db.Users on holding.PersonId equals person.Id
                          where of.ProcedureId == revision.ProcedureId && of.Id <= revision.Id
                          select new { Holding = holding, of.Letter, person.Email }).ToListAsync();
        var told = await db.Bulletins.AsNoTracking().Where(b => b.RevisionId == revision.Id && b.TakenBackBy == null).MaxAsync(b => (DateTime?)b.At);
        // Who has seen the bulletin has seen it, whichever copy she has beside.
        var seen = rows.Where(r => r.Holding.RevisionId == revision.Id && r.Holding.Last >= told).Select(r => r.Holding.PersonId).ToHashSet();
        return [.. rows.GroupBy(r => (r.Holding.PersonId, r.Holding.RevisionId)).OrderByDescending(g => g.Max(r => r.Holding.Last)).Select(g =>
            new HolderView(g.MaxBy(r => r.Holding.Last)!.Holding.Who, g.First().Letter,
                [.. g.Select(r => new WayView(r.Holding.Kind, r.Holding.First, r.Holding.Last)).OrderBy(w => w.Kind)],
                told is null ? null : seen.Contains(g.Key.PersonId), g.First().Email is not null && g.Min(r => r.Holding.First) <= told))];
    }

    /// <summary>Writes to everybody who has had the revision or one before it, but for who gave the bulletin out.</summary>
    public async Task TellAsync(Revision revision, string from, string text, Uri where)
    {
        var people = await db.Users.AsNoTracking().Where(p => p.Email != null && p.DisabledAt == null && p.Id != from
            && db.Holdings.Any(h => h.PersonId == p.Id && db.Revisions.Any(r => r.Id == h.RevisionId && r.Id <= revision.Id
                && r.ProcedureId == revision.ProcedureId))).ToListAsync();
        var sheet = $"{revision.Procedure.Number} {revision.Procedure.Title}, revision {revision.Letter}";
        foreach (var person in people)
        {
            try
            {
                mail.Put(person.Email!, person.DisplayName, $"Bulletin against {sheet}",
                    $"{person.DisplayName},\n\nyou have had {sheet}, or one before it, open, on paper or as a file. "
                    + $"A bulletin is out against it:\n\n{text}\n\nThe sheet as it stands today: {where}\n");
            }
            catch (IOException full)
            {
                // The bulletin is out, and shows wherever the sheet does.
                NotMailed(log, person.DisplayName, full);
            }
        }
    }
}
