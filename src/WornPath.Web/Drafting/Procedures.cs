using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Store;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>
/// Puts procedures on the shelf and brings revisions through their life. Each act is one transaction, and is judged by what stands
/// in the database within it, whatever is held in memory.
/// </summary>
public sealed class Procedures(WornPathDb db, DraftLog log, Drafts drafts, Comments comments, Signatures signatures, WorkshopBook book, Live live,
    ShelfIndexer shelf, TimeProvider time)
{
    private DateTime Now => time.GetUtcNow().UtcDateTime;

    /// <summary>A new procedure with its first draft; the draft's id.</summary>
    public Task<Outcome<int>> AddAsync(string number, string title, string platform, Sheet sheet, string authorId) => WholeAsync<int>(async () =>
    {
        (number, title, platform) = (Names.Clean(number), Names.Clean(title), Names.Clean(platform));
        if (number.Length is 0 or > 40) return new Problem("The procedure needs a number of at most 40 characters.", "Write the one your workshop files it under, such as OT-120.");
        if (title.Length is 0 or > 200) return new Problem("The procedure needs a title of at most 200 characters.", "Write what the job is, such as Front hub bearing, left.");
        if (platform.Length > 200) return new Problem("The platform is longer than 200 characters.", "Name the vehicle.");
        if (await db.Procedures.AnyAsync(p => p.Number == number))
            return new Problem($"The number {number} is taken.", "Open that procedure, or give this one another number.") { Clash = new Clash(number, number) };
        var revision = await NewRevisionAsync(RevisionLetter.First, sheet, authorId);
        revision.Procedure = new Procedure { Number = number, Title = title, Platform = platform, CreatedAt = Now };
        revision.Procedure.Authors.Add(new ProcedureAuthor { PersonId = authorId, IsOwner = true, GivenById = authorId, At = Now });
        db.Revisions.Add(revision);
        await db.SaveChangesAsync();
        db.Contributions.Add(new Contribution { RevisionId = revision.Id, Element = Contribution.Whole, PersonId = authorId });
        await db.SaveChangesAsync();
        return revision.Id;
    });

    /// <summary>Sends a draft for review, and says why it changes what was released before; once is enough.</summary>
    /// <param name="asked">Ids of those who are asked to look at it.</param>
    public Task<Problem?> SendAsync(Revision revision, string personId, string why = "", IReadOnlyCollection<string>? asked = null) =>
        ChangeAsync(revision, async act =>
    {
        if (((await log.AuthorshipAsync(act.Row.Id)).Write(personId) ?? LifeCycle.Send(act.Row.State, act.Standing.Sheet)) is { } problem) return problem;
        var follows = await db.Revisions.AnyAsync(r => r.ProcedureId == act.Row.ProcedureId && r.Id < act.Row.Id
                && LifeCycle.WorkedFrom.Contains(r.State))
            && !await db.Events.AnyAsync(e => e.RevisionId == act.Row.Id && e.Kind == ReviewEventKind.Sent && e.Text != "");
        if (LifeCycle.SayWhy(follows, why) is { } unsaid) return unsaid;
        // The sheet is written whole first: once it is in review the database itself refuses to change it.
        var json = SheetJson.Write(act.Standing.Sheet);
        await db.Snapshots.Where(s => s.RevisionId == act.Row.Id).ExecuteUpdateAsync(set => set.SetProperty(s => s.Json, json).SetProperty(s => s.Seq, act.Standing.Seq).SetProperty(s => s.Format, SheetFormat.Newest));
        var reviewers = await comments.ReviewersAsync(act.Row.Id);
        if ((asked ?? []).FirstOrDefault(a => reviewers.All(r => r.Id != a)) is not null)
            return new Problem("One of those who are asked cannot review it.", "Ask reviewers and approvers who did not write on it.");
        var sent = await BecomeAsync(act.Row, RevisionState.InReview, ReviewEventKind.Sent, personId, why.Trim());
        if (asked is { Count: > 0 })
        {
            await db.SaveChangesAsync();
            foreach (var one in asked.Distinct()) db.ReviewAsks.Add(new ReviewAsk { EventId = sent.Id, PersonId = one, Who = await WhoAsync(one) });
        }

        return null;
    });

    /// <summary>Returns a revision to its author with a reason.</summary>
    public Task<Problem?> ReturnAsync(Revision revision, string personId, string reason) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.Return(act.Row.State, reason) is { } problem) return problem;
        await BecomeAsync(act.Row, RevisionState.Draft, ReviewEventKind.Returned, personId, reason.Trim());
        return null;
    });

    /// <summary>Takes a revision back from review for who wrote it.</summary>
    public Task<Problem?> CallBackAsync(Revision revision, string personId) => ChangeAsync(revision, async act =>
    {
        if (((await log.AuthorshipAsync(act.Row.Id)).Write(personId) ?? LifeCycle.CallBack(act.Row.State)) is { } problem) return problem;
        await BecomeAsync(act.Row, RevisionState.Draft, ReviewEventKind.CalledBack, personId);
        return null;
    });

    /// <summary>Signs what stands on a revision in review.</summary>
    public Task<Problem?> SignAsync(Revision revision, string personId) => ChangeAsync(revision, async act =>
    {
        if (Signing.Sign(act.Row.State, personId, await log.WritersAsync(act.Row.Id), act.Standing.Findings,
            await comments.OpenAsync(act.Row.ProcedureId), await SignedAsync(act)) is { } problem) return problem;
        await TellAsync(act.Row, ReviewEventKind.Signed, personId, "");
        act.SignedBy = personId;
        return null;
    });

    private async Task<IReadOnlyCollection<string>> SignedAsync(Act act)
    {
        var procedure = await ProcedureAsync(act.Row);
        return await signatures.SignedAsync(act.Row.Id, () => Signatures.HashOf(act.Row, procedure, act.Standing.Sheet));
    }

    private Task<Procedure> ProcedureAsync(Revision row) => db.Procedures.AsNoTracking().SingleAsync(p => p.Id == row.ProcedureId);

    /// <summary>Releases a revision, which signs it; the one released before is superseded.</summary>
    public Task<Problem?> ReleaseAsync(Revision revision, string personId) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.Release(act.Row.State, personId, await log.WritersAsync(act.Row.Id), act.Standing.Findings,
            await comments.OpenAsync(act.Row.ProcedureId)) is { } problem) return problem;
        if (Signing.Release(personId, await SignedAsync(act), Signing.Needed(act.Standing.Sheet, act.Rules)) is { } unsigned) return unsigned;
        foreach (var former in await db.Revisions.Where(r => r.ProcedureId == act.Row.ProcedureId && r.State == RevisionState.Released).ToListAsync())
        {
            await BecomeAsync(former, RevisionState.Superseded, ReviewEventKind.Superseded, personId);
            act.Touched.Add(former.Id);
        }

        await BecomeAsync(act.Row, RevisionState.Released, ReviewEventKind.Released, personId);
        act.Row.WorkshopVersion = act.WorkshopVersion;
        act.SignedBy = personId;
        return null;
    });

    /// <summary>Somebody who reviews it has looked at it and said what there was to say.</summary>
    public Task<Problem?> LookedAsync(Revision revision, string personId, string text) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.Judge(act.Row.State, personId, await log.WritersAsync(act.Row.Id)) is { } problem) return problem;
        if (text.Length > 2000) return new Problem($"A note of {text.Length:N0} characters is too long.", "Keep it to 2,000.");
        await TellAsync(act.Row, ReviewEventKind.Looked, personId, text.Trim());
        return null;
    });

    /// <summary>Gives a warning a reason to stand.</summary>
    public Task<Problem?> WaiveAsync(Revision revision, string personId, string key, string reason) => ChangeAsync(revision, async act =>
    {
        if (act.Standing.Findings.FirstOrDefault(f => f.WaiverKey == key) is not { } finding) return new Problem("This warning is no longer found.", "Reload to see what is.");
        if (LifeCycle.Waive(act.Row.State, personId, await log.WritersAsync(act.Row.Id), finding, reason) is { } problem) return problem;
        db.Waivers.Add(new WaiverEntry { RevisionId = act.Row.Id, Key = key, Seal = Waivers.SealOf(finding, act.Standing.Sheet), PersonId = personId, Who = await WhoAsync(personId), At = Now, Reason = reason.Trim() });
        return null;
    });

    /// <summary>Keeps a value as a second person read it from its source.</summary>
    public Task<Problem?> CheckAsync(Revision revision, string personId, string seal, string read, string? reason = null) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.Judge(act.Row.State, personId, await log.WritersAsync(act.Row.Id)) is { } problem) return problem;
        if (StatedValue.All(act.Standing.Sheet).FirstOrDefault(v => v.Seal == seal) is not { } value) return new Problem("This value is not on the sheet any more.", "Reload to see those that are.");
        var held = value.Hold(read);
        if (!held.IsGood) return held.Problem.At(value.Label);
        var last = await db.ValueChecks.Where(c => c.RevisionId == act.Row.Id && c.Seal == seal).OrderByDescending(c => c.Id).FirstOrDefaultAsync();
        var again = last is { Agrees: false } && last.PersonId == personId;
        if (LifeCycle.ReadAgain(again, reason) is { } unexplained) return unexplained;
        if (again) await TellAsync(act.Row, ReviewEventKind.ReadAgain, personId, $"{value.Label}: {reason!.Trim()}");
        db.ValueChecks.Add(new ValueCheckEntry { RevisionId = act.Row.Id, Joint = value.Id, Seal = seal, Read = held.Value.Read, Agrees = held.Value.Agrees, PersonId = personId, Who = await WhoAsync(personId), At = Now });
        return null;
    });

    /// <summary>Takes a waiver back.</summary>
    public Task<Problem?> TakeBackAsync(Revision revision, string personId, int waiverId) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.TakeBack(act.Row.State, personId, await log.WritersAsync(act.Row.Id)) is { } problem) return problem;
        if (await db.Waivers.FirstOrDefaultAsync(w => w.Id == waiverId && w.RevisionId == act.Row.Id && w.TakenBackBy == null) is not { } waiver) return new Problem("This waiver is not there any more.", "Reload to see those that are.");
        waiver.TakenBackBy = personId;
        return null;
    });

    /// <summary>Withdraws a released revision.</summary>
    public Task<Problem?> WithdrawAsync(Revision revision, string personId, string reason) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.Withdraw(act.Row.State, reason) is { } problem) return problem;
        await BecomeAsync(act.Row, RevisionState.Withdrawn, ReviewEventKind.Withdrawn, personId, reason.Trim());
        return null;
    });

    /// <summary>Gives out a bulletin against a released revision. Whoever has it open, or a draft that follows it, is told.</summary>
    public Task<Problem?> WarnAsync(Revision revision, string personId, CommentAnchor about, string text) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.Warn(act.Row.State, text) is { } problem) return problem;
        db.Bulletins.Add(new Bulletin
        {
            RevisionId = act.Row.Id,
            Kind = about.Kind,
            Target = about.Id,
            Then = about.Then,
            Text = text.Trim(),
            PersonId = personId,
            Who = await WhoAsync(personId),
            At = Now
        });
        await TellAsync(act.Row, ReviewEventKind.Warned, personId, text.Trim());
        act.Touched.AddRange(await FollowingAsync(act.Row));
        return null;
    });

    /// <summary>Takes a bulletin back.</summary>
    public Task<Problem?> TakeWarningBackAsync(Revision revision, string personId, int bulletinId, string why) => ChangeAsync(revision, async act =>
    {
        if (await db.Bulletins.FirstOrDefaultAsync(b => b.Id == bulletinId && b.RevisionId == act.Row.Id) is not { } bulletin)
            return new Problem("This bulletin is not there.", "Reload to see those that hold.");
        if (LifeCycle.TakeWarningBack(bulletin.TakenBackBy is not null, why) is { } problem) return problem;
        (bulletin.TakenBackBy, bulletin.TakenBackAt, bulletin.WhyTakenBack) = (await WhoAsync(personId), Now, why.Trim());
        await TellAsync(act.Row, ReviewEventKind.WarningTakenBack, personId, why.Trim());
        act.Touched.AddRange(await FollowingAsync(act.Row));
        return null;
    });

    /// <summary>Says by when it is to be looked at again; null for no day.</summary>
    public Task<Problem?> LookAgainAsync(Revision revision, string personId, DateOnly? by) => ChangeAsync(revision, async act =>
    {
        if (LifeCycle.LookAgain(act.Row.State, by, DateOnly.FromDateTime(Now)) is { } problem) return problem;
        if (act.Row.LookAgainBy == by) return null;
        act.Row.LookAgainBy = by;
        await TellAsync(act.Row, ReviewEventKind.LookAgainSet, personId, by is { } day ? Days.Written(day) : "");
        return null;
    });

    private Task<List<int>> FollowingAsync(Revision row) =>
        db.Revisions.Where(r => r.ProcedureId == row.ProcedureId && r.Id > row.Id).Select(r => r.Id).ToListAsync();

    /// <summary>A new draft that starts from a released revision; its id.</summary>
    public Task<Outcome<int>> ReviseAsync(Revision from, string personId) => WholeAsync<int>(async () =>
    {
        var row = await db.Revisions.AsNoTracking().SingleAsync(r => r.Id == from.Id);
        if (((await log.AuthorshipAsync(row.Id)).Write(personId) ?? LifeCycle.Revise(row.State)) is { } problem) return problem;
        var letters = await db.Revisions.Where(r => r.ProcedureId == row.ProcedureId).Select(r => new { r.Letter, r.State }).ToListAsync();
        if (letters.FirstOrDefault(l => l.State is RevisionState.Draft or RevisionState.InReview) is { } open)
            return new Problem($"Revision {open.Letter} is already being written.", "Go on with that one.");
        var sheet = (await log.LoadAsync(row.Id))!.Sheet;
        var newest = letters.Select(l => l.Letter).OrderBy(l => l.Length).ThenBy(l => l, StringComparer.Ordinal).Last();
        var revision = await NewRevisionAsync(RevisionLetter.Next(newest), sheet, personId);
        revision.ProcedureId = row.ProcedureId;
        db.Revisions.Add(revision);
        await db.SaveChangesAsync();
        // Whoever wrote what is carried over has written it here as well.
        foreach (var written in await db.Contributions.AsNoTracking().Where(c => c.RevisionId == row.Id).ToListAsync())
            if (Delta.Stands(written.Element, sheet)) db.Contributions.Add(new Contribution { RevisionId = revision.Id, Element = written.Element, PersonId = written.PersonId });
        if (!await db.Contributions.AnyAsync(c => c.RevisionId == row.Id && c.Element == Contribution.Whole && c.PersonId == row.AuthorId))
            db.Contributions.Add(new Contribution { RevisionId = revision.Id, Element = Contribution.Whole, PersonId = row.AuthorId });
        // What was waived stays waived as long as it stays the same; so does what was verified. Who did it is who did it then.
        foreach (var waiver in await db.Waivers.AsNoTracking().Where(w => w.RevisionId == row.Id && w.TakenBackBy == null).OrderBy(w => w.Id).ToListAsync())
            db.Waivers.Add(new WaiverEntry { RevisionId = revision.Id, Key = waiver.Key, Seal = waiver.Seal, PersonId = waiver.PersonId, Who = waiver.Who, At = waiver.At, Reason = waiver.Reason });
        foreach (var check in await db.ValueChecks.AsNoTracking().Where(c => c.RevisionId == row.Id).OrderBy(c => c.Id).ToListAsync())
            if (!StatedValue.IsFormer(check.Seal))
                db.ValueChecks.Add(new ValueCheckEntry { RevisionId = revision.Id, Joint = check.Joint, Seal = check.Seal, Read = check.Read, Agrees = check.Agrees, PersonId = check.PersonId, Who = check.Who, At = check.At });
        await db.SaveChangesAsync();
        live.Moved(row.Id);
        return revision.Id;
    });

    private async Task<Revision> NewRevisionAsync(string letter, Sheet sheet, string authorId)
    {
        var walked = Draft.Walked.Of(sheet, 0, (await book.InAsync(db)).Workshop, Draft.Reviewed.Not);
        var (stops, warnings) = Count(walked);
        var revision = new Revision
        {
            Letter = letter,
            State = RevisionState.Draft,
            AuthorId = authorId,
            Snapshot = new SheetSnapshot { Json = SheetJson.Write(sheet) },
            Stops = stops,
            Warnings = warnings,
            StepCount = walked.Sheet.Steps.Count(),
            ChangedAt = Now,
        };
        // The words follow a little later than what is written now.
        shelf.Touch();
        revision.Events.Add(new ReviewEvent { Kind = ReviewEventKind.Begun, PersonId = authorId, Who = await WhoAsync(authorId), At = Now });
        return revision;
    }

    private static (int Stops, int Warnings) Count(Draft.Walked walked)
    {
        var stops = walked.Findings.Count(f => f.Severity == Severity.Stop);
        return (stops, walked.Findings.Length - stops);
    }

    private Task<string> WhoAsync(string personId) => db.WhoAsync(personId);

    /// <summary>What an act on a revision works with.</summary>
    /// <param name="Row">The revision's row.</param>
    /// <param name="Standing">Its sheet as the database has it, walked and judged.</param>
    /// <param name="Rules">The house rules in force.</param>
    /// <param name="WorkshopVersion">Their version.</param>
    /// <param name="Touched">Other revisions the act has changed.</param>
    private sealed record Act(Revision Row, Draft.Walked Standing, HouseRules Rules, int WorkshopVersion, List<int> Touched)
    {
        /// <summary>Who signs by this act; null for nobody. What is signed names the record behind the act.</summary>
        public string? SignedBy { get; set; }
    }

    // Nobody edits while a revision changes its state: its gate is held, and all is read within the transaction that writes.
    private async Task<Problem?> ChangeAsync(Revision revision, Func<Act, Task<Problem?>> change)
    {
        // Within a transaction of the caller's nobody else sees the revision yet.
        var held = db.Database.CurrentTransaction is null ? await drafts.OpenAsync(revision.Id) : null;
        if (held is not null) await held.Gate.WaitAsync();
        try
        {
            var done = await WholeAsync<List<int>>(async () =>
            {
                if (await log.LoadAsync(revision.Id) is not { } stored) return new Problem("The revision is not there.", "Look for it on the shelf.");
                var row = await db.Revisions.SingleAsync(r => r.Id == revision.Id);
                await db.Entry(row).ReloadAsync();
                var today = await book.InAsync(db);
                var house = row.WorkshopVersion is { } version && version != today.Version ? await book.ForAsync(version) : today.Workshop;
                async Task<Draft.Walked> JudgedAsync() => Draft.Walked.Of(stored.Sheet, stored.Seq, house, new Draft.Reviewed(row.State, await log.WaiversAsync(row.Id), await log.ChecksAsync(row.Id)));
                var act = new Act(row, await JudgedAsync(), today.Workshop.Rules, today.Version, []);
                if (await change(act) is { } problem) return problem;
                await db.SaveChangesAsync();
                var record = await RecordBook.LinkAsync(db, row.ProcedureId);
                if (act.SignedBy is { } signer) await signatures.AddAsync(row, await ProcedureAsync(row), stored.Sheet, signer, Now, record);
                // What is found depends on the state, too: values are asked for in review.
                (row.Stops, row.Warnings) = Count(await JudgedAsync());
                await db.SaveChangesAsync();
                return act.Touched;
            });
            if (!done.IsGood) return done.Problem;
            foreach (var id in done.Value.Append(revision.Id))
            {
                drafts.Outdate(id);
                live.Moved(id);
            }

            return null;
        }
        finally
        {
            held?.Gate.Release();
        }
    }

    // All of it or nothing. The transaction takes the database for writing from its beginning, so that what is read in it stays true.
    private async Task<Outcome<T>> WholeAsync<T>(Func<Task<Outcome<T>>> act)
    {
        await using IDbContextTransaction? transaction = db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync() : null;
        try
        {
            var done = await act();
            if (done.IsGood && transaction is not null) await transaction.CommitAsync();
            return done;
        }
        finally
        {
            // What was not written is not written by the next act either.
            db.ChangeTracker.Clear();
        }
    }

    private async Task<ReviewEvent> BecomeAsync(Revision revision, RevisionState state, ReviewEventKind kind, string personId, string text = "")
    {
        revision.State = state;
        if (kind != ReviewEventKind.Superseded) revision.ChangedAt = Now;
        return await TellAsync(revision, kind, personId, text);
    }

    // Writes down what happened to a revision.
    private async Task<ReviewEvent> TellAsync(Revision revision, ReviewEventKind kind, string personId, string text)
    {
        var told = new ReviewEvent { RevisionId = revision.Id, Kind = kind, PersonId = personId, Who = await WhoAsync(personId), At = Now, Text = text };
        db.Events.Add(told);
        return told;
    }
}
