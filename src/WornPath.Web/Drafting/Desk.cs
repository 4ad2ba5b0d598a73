using WornPath.Core.Quantities;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Store;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>What waits for a person: to look at, to answer, to go on with.</summary>
public sealed class Desk(WornPathDb db, FormerEditions editions, TimeProvider time)
{
    /// <summary>Something that waits.</summary>
    /// <param name="RevisionId">Where it is to be found.</param>
    /// <param name="Sheet">Which sheet, in words.</param>
    /// <param name="Says">What waits.</param>
    /// <param name="Since">Since when.</param>
    public sealed record DeskLine(int RevisionId, string Sheet, string Says, DateTime Since);

    private sealed record Open(int Id, int ProcedureId, string Sheet);

    /// <summary>
    /// What waits for a person of some roles. Of all sheets, also of some whose values a reviewer is to read in their sources first: no number of
    /// what others said is shown to her here.
    /// </summary>
    public Task<IReadOnlyList<DeskLine>> ForAsync(string personId, IReadOnlyCollection<string> roles)
    {
        var reviews = roles.Contains(Roles.Reviewer) || roles.Contains(Roles.Approver);
        return OfAsync(personId, roles.Any(Roles.SeeDrafts.Contains), reviews, said => reviews ? Blind.HideAllNumbers(said, null) : said);
    }

    /// <summary>What waits for a person, what has waited longest first.</summary>
    /// <param name="seesDrafts">She sees more than what is released.</param>
    /// <param name="reviews">She may sign what others wrote.</param>
    /// <param name="shown">What she may read of what others have said.</param>
    private async Task<IReadOnlyList<DeskLine>> OfAsync(string personId, bool seesDrafts, bool reviews, Func<string, string> shown)
    {
        var waiting = await CommentsAsync(personId, seesDrafts, shown);
        if (seesDrafts)
        {
            waiting.AddRange(await AskedAsync(personId));
            waiting.AddRange(await ReturnedAsync(personId, shown));
            waiting.AddRange(await WantsToWriteAsync(personId));
        }

        if (reviews) waiting.AddRange(await SignedByAnotherAsync(personId));
        if (seesDrafts)
        {
            waiting.AddRange(await NearAsync(personId));
            waiting.AddRange((await editions.WaitForAsync(personId)).Select(f => new DeskLine(f.RevisionId, f.Sheet, f.Says, f.Since)));
        }

        return [.. waiting.OrderBy(w => w.Since)];
    }

    // Sent for review, and this person is asked by name and has not looked yet.
    private async Task<List<DeskLine>> AskedAsync(string personId) =>
        await (from ask in db.ReviewAsks.AsNoTracking()
               join sent in db.Events on ask.EventId equals sent.Id
               join revision in db.Revisions on sent.RevisionId equals revision.Id
               where ask.PersonId == personId && revision.State == RevisionState.InReview
                   && !db.Events.Any(e => e.RevisionId == revision.Id && e.Id > sent.Id
                       && (e.Kind == ReviewEventKind.Sent || (e.Kind == ReviewEventKind.Looked || e.Kind == ReviewEventKind.Signed) && e.PersonId == personId))
               select new DeskLine(revision.Id, revision.Procedure.Number + " " + revision.Procedure.Title + ", " + revision.Letter,
                   sent.Who + " asks you to look at it", sent.At)).ToListAsync();

    // In review, signed by another since it was sent, and neither signed nor written on by this person.
    private async Task<List<DeskLine>> SignedByAnotherAsync(string personId)
    {
        var signed = await (from one in db.Events.AsNoTracking()
                            join revision in db.Revisions on one.RevisionId equals revision.Id
                            where one.Kind == ReviewEventKind.Signed && revision.State == RevisionState.InReview && revision.AuthorId != personId
                                && !db.Events.Any(e => e.RevisionId == revision.Id && e.Id > one.Id && e.Kind == ReviewEventKind.Sent)
                                && !db.Contributions.Any(c => c.RevisionId == revision.Id && c.PersonId == personId)
                            orderby one.Id
                            select new
                            {
                                one.PersonId,
                                Line = new DeskLine(revision.Id, revision.Procedure.Number + " " + revision.Procedure.Title + ", " + revision.Letter,
                                    one.Who + " has signed it, and it is not released yet", one.At)
                            }).ToListAsync();
        return [.. signed.GroupBy(s => s.Line.RevisionId).Where(g => g.All(s => s.PersonId != personId)).Select(g => g.First().Line)];
    }

    /// <summary>So long before its day a sheet that is to be looked at again waits for its authors.</summary>
    public const int DaysAhead = 30;

    /// <summary>A released sheet that is to be looked at again by a day.</summary>
    /// <param name="IsRevised">True while a later revision of it is being written.</param>
    public sealed record LookAgain(int RevisionId, string Sheet, DateOnly By, bool IsRevised);

    /// <summary>What is to be looked at again of the sheets a person writes.</summary>
    public Task<List<LookAgain>> LookAgainAsync(string personId) =>
        db.Revisions.AsNoTracking().Where(r => r.State == RevisionState.Released && r.LookAgainBy != null
                && db.ProcedureAuthors.Any(a => a.ProcedureId == r.ProcedureId && a.PersonId == personId))
            .Select(r => new LookAgain(r.Id, r.Procedure.Number + " " + r.Procedure.Title + ", " + r.Letter, r.LookAgainBy!.Value,
                db.Revisions.Any(n => n.ProcedureId == r.ProcedureId && n.Id > r.Id && (n.State == RevisionState.Draft
                    || n.State == RevisionState.InReview)))).ToListAsync();

    // What is near its day or behind it, and not being worked on already.
    private async Task<IEnumerable<DeskLine>> NearAsync(string personId)
    {
        var today = DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime);
        return (await LookAgainAsync(personId)).Where(d => !d.IsRevised && d.By <= today.AddDays(DaysAhead)).Select(d =>
            new DeskLine(d.RevisionId, d.Sheet, $"{(d.By < today ? "was" : "is")} to be looked at again by {Days.Written(d.By)}",
                d.By.AddDays(-DaysAhead).ToDateTime(TimeOnly.MinValue, DateTimeKind.Utc)));
    }

    // Returned to its authors, and not sent again.
    private async Task<List<DeskLine>> ReturnedAsync(string personId, Func<string, string> shown) =>
        [.. (await (from back in db.Events.AsNoTracking()
               join revision in db.Revisions on back.RevisionId equals revision.Id
               where back.Kind == ReviewEventKind.Returned && revision.State == RevisionState.Draft
                   && db.ProcedureAuthors.Any(a => a.ProcedureId == revision.ProcedureId && a.PersonId == personId)
                   && !db.Events.Any(e => e.RevisionId == revision.Id && e.Id > back.Id)
               select new { revision.Id, Sheet = revision.Procedure.Number + " " + revision.Procedure.Title + ", " + revision.Letter, back.Who, back.Text, back.At })
            .ToListAsync()).Select(b => new DeskLine(b.Id, b.Sheet, $"{b.Who} returned it: {shown(b.Text)}", b.At))];

    private async Task<List<DeskLine>> WantsToWriteAsync(string personId) =>
        await (from ask in db.AsksToWrite.AsNoTracking()
               join owner in db.ProcedureAuthors on ask.ProcedureId equals owner.ProcedureId
               join revision in db.Revisions on ask.ProcedureId equals revision.ProcedureId
               where owner.IsOwner && owner.PersonId == personId && !db.Revisions.Any(r => r.ProcedureId == ask.ProcedureId && r.Id > revision.Id)
               select new DeskLine(revision.Id, revision.Procedure.Number + " " + revision.Procedure.Title + ", " + revision.Letter,
                   ask.Person.DisplayName + " asks to write along", ask.At)).ToListAsync();

    // Threads that are open and where another had the last word: those this person began or is spoken to in, and all of the sheets she writes.
    private async Task<List<DeskLine>> CommentsAsync(string personId, bool seesDrafts, Func<string, string> shown)
    {
        var threads = await db.Comments.AsNoTracking().Include(c => c.Entries.OrderBy(e => e.Id)).ThenInclude(e => e.Mentions)
            .Where(c => (seesDrafts || c.OnReleased) && (c.Entries.Any(e => e.PersonId == personId || e.Mentions.Any(m => m.PersonId == personId))
                || db.ProcedureAuthors.Any(a => a.ProcedureId == c.ProcedureId && a.PersonId == personId))).ToListAsync();
        var waiting = new List<DeskLine>();
        foreach (var group in threads.Where(Comments.IsOpen).GroupBy(c => c.ProcedureId))
        {
            if (await WhereAsync(group.Key, seesDrafts) is not { } open) continue;
            var answers = group.Where(c => c.Entries[^1].PersonId != personId).ToList();
            var spoken = answers.Where(c => c.Entries.FindLastIndex(e => e.Mentions.Exists(m => m.PersonId == personId))
                > c.Entries.FindLastIndex(e => e.PersonId == personId)).ToList();
            foreach (var thread in spoken)
                waiting.Add(new DeskLine(open.Id, open.Sheet, $"{thread.Entries[^1].Who} speaks to you: “{Short(shown(thread.Entries[^1].Text))}”", thread.Entries[^1].At));
            var others = answers.Except(spoken).ToList();
            if (others.Count > 0)
                waiting.Add(new DeskLine(open.Id, open.Sheet, others.Count == 1 ? $"a comment of {others[0].Entries[^1].Who} waits for an answer"
                    : $"{others.Count} comments wait for an answer", others.Min(c => c.Entries[^1].At)));
        }

        return waiting;
    }

    // The last revision of a procedure that a person sees.
    private Task<Open?> WhereAsync(int procedureId, bool seesDrafts) => db.Revisions.AsNoTracking()
        .Where(r => r.ProcedureId == procedureId && (seesDrafts || r.State == RevisionState.Released)).OrderByDescending(r => r.Id)
        .Select(r => new Open(r.Id, r.ProcedureId, r.Procedure.Number + " " + r.Procedure.Title + ", " + r.Letter)).FirstOrDefaultAsync();

    private static string Short(string text) => text.Length <= 90 ? text : text[..89] + "…";
}
