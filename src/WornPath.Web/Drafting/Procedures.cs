using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Quantities;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Store;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>Puts procedures on the shelf and brings revisions through their life.</summary>
public sealed class Procedures(WornPathDb db, DraftLog log, Drafts drafts, WorkshopBook book, TimeProvider time)
{
    private DateTime Now => time.GetUtcNow().UtcDateTime;

    /// <summary>A new procedure with its first draft; the draft's id.</summary>
    public async Task<Outcome<int>> AddAsync(string number, string title, string platform, Sheet sheet, string authorId)
    {
        (number, title, platform) = (Fields.Clean(number), Fields.Clean(title), Fields.Clean(platform));
        if (number.Length is 0 or > 40) return new Problem("The procedure needs a number of at most 40 characters.", "Write the one your workshop files it under, such as OT-120.");
        if (title.Length is 0 or > 200) return new Problem("The procedure needs a title of at most 200 characters.", "Write what the job is, such as Front hub bearing, left.");
        if (platform.Length > 200) return new Problem("The platform is longer than 200 characters.", "Name the vehicle.");
        if (await db.Procedures.AnyAsync(p => p.Number == number))
            return new Problem($"The number {number} is taken.", "Open that procedure, or give this one another number.") { Clash = new Clash(number, number) };
        var revision = await NewRevisionAsync(RevisionLetter.First, sheet, authorId);
        revision.Procedure = new Procedure { Number = number, Title = title, Platform = platform, CreatedAt = Now };
        db.Revisions.Add(revision);
        await db.SaveChangesAsync();
        return revision.Id;
    }

    /// <summary>Sends a draft for review.</summary>
    public async Task<Problem?> SendAsync(Revision revision, string personId) => await ChangeAsync(revision, async (held, change) =>
    {
        if (LifeCycle.Send(change.State, held.Sheet) is { } problem) return problem;
        // The sheet is written whole first: once it is in review the database itself refuses to change it.
        var json = SheetJson.Write(held.Sheet);
        await db.Snapshots.Where(s => s.RevisionId == change.Id).ExecuteUpdateAsync(set => set.SetProperty(s => s.Json, json).SetProperty(s => s.Seq, held.Seq));
        Become(change, RevisionState.InReview, ReviewEventKind.Sent, personId);
        return null;
    });

    /// <summary>Returns a revision to its author with a reason.</summary>
    public async Task<Problem?> ReturnAsync(Revision revision, string personId, string reason) => await ChangeAsync(revision, (_, change) =>
    {
        if (LifeCycle.Return(change.State, reason) is { } problem) return Task.FromResult<Problem?>(problem);
        Become(change, RevisionState.Draft, ReviewEventKind.Returned, personId, reason.Trim());
        return Task.FromResult<Problem?>(null);
    });

    /// <summary>Releases a revision; the one released before is superseded.</summary>
    public async Task<Problem?> ReleaseAsync(Revision revision, string personId) => await ChangeAsync(revision, async (held, change) =>
    {
        if (LifeCycle.Release(change.State, personId, await WritersAsync(change), held.Findings) is { } problem) return problem;
        foreach (var former in await db.Revisions.Where(r => r.ProcedureId == change.ProcedureId && r.State == RevisionState.Released).ToListAsync())
        {
            Become(former, RevisionState.Superseded, ReviewEventKind.Superseded, personId);
            drafts.Close(former.Id);
        }

        Become(change, RevisionState.Released, ReviewEventKind.Released, personId);
        change.WorkshopVersion = (await book.NowAsync()).Version;
        return null;
    });

    /// <summary>Gives a warning a reason to stand.</summary>
    public async Task<Problem?> WaiveAsync(Revision revision, string personId, string key, string reason) => await ChangeAsync(revision, async (held, change) =>
    {
        if (held.Findings.FirstOrDefault(f => Waivers.KeyOf(f) == key) is not { } finding) return new Problem("This warning is no longer found.", "Reload to see what is.");
        if (LifeCycle.Waive(change.State, personId, await WritersAsync(change), finding, reason) is { } problem) return problem;
        db.Waivers.Add(new WaiverEntry { RevisionId = change.Id, Key = key, Seal = Waivers.SealOf(finding, held.Sheet), PersonId = personId, At = Now, Reason = reason.Trim() });
        return null;
    });

    /// <summary>Keeps a value as a second person read it from its source.</summary>
    public async Task<Problem?> CheckAsync(Revision revision, string personId, string seal, string read) => await ChangeAsync(revision, async (held, change) =>
    {
        if (LifeCycle.Judge(change.State, personId, await WritersAsync(change)) is { } problem) return problem;
        if (StatedValue.Of(held.Sheet).FirstOrDefault(v => v.Seal == seal) is not { } value) return new Problem("This value is not on the sheet any more.", "Reload to see those that are.");
        var torque = TorqueText.Parse(read, held.Sheet.Header.Unit);
        if (!torque.IsGood) return torque.Problem.At(value.Joint.Label);
        db.ValueChecks.Add(new ValueCheckEntry { RevisionId = change.Id, Joint = value.Joint.Id, Seal = seal, Read = torque.Value.ToString(), Agrees = ValueChecks.Agrees(value.Torque, torque.Value), PersonId = personId, At = Now });
        return null;
    });

    /// <summary>Takes a waiver back.</summary>
    public async Task<Problem?> TakeBackAsync(Revision revision, string personId, int waiverId) => await ChangeAsync(revision, async (_, change) =>
    {
        if (change.State != RevisionState.InReview) return new Problem("This revision is not in review.", "Waivers are given and taken back while it is.");
        if (await db.Waivers.FirstOrDefaultAsync(w => w.Id == waiverId && w.RevisionId == change.Id && w.TakenBackBy == null) is not { } waiver) return new Problem("This waiver is not there any more.", "Reload to see those that are.");
        waiver.TakenBackBy = personId;
        return null;
    });

    /// <summary>Withdraws a released revision.</summary>
    public async Task<Problem?> WithdrawAsync(Revision revision, string personId, string reason) => await ChangeAsync(revision, (_, change) =>
    {
        if (LifeCycle.Withdraw(change.State, reason) is { } problem) return Task.FromResult<Problem?>(problem);
        Become(change, RevisionState.Withdrawn, ReviewEventKind.Withdrawn, personId, reason.Trim());
        return Task.FromResult<Problem?>(null);
    });

    /// <summary>A new draft that starts from a released revision; its id.</summary>
    public async Task<Outcome<int>> ReviseAsync(Revision from, string personId)
    {
        if (LifeCycle.Revise(from.State) is { } problem) return problem;
        var letters = await db.Revisions.Where(r => r.ProcedureId == from.ProcedureId).Select(r => new { r.Letter, r.State }).ToListAsync();
        if (letters.FirstOrDefault(l => l.State is RevisionState.Draft or RevisionState.InReview) is { } open)
            return new Problem($"Revision {open.Letter} is already being written.", "Go on with that one.");
        if (await drafts.OpenAsync(from.Id) is not { } held) return new Problem("The revision is not there.", "Look for it on the shelf.");
        var newest = letters.Select(l => l.Letter).OrderBy(l => l.Length).ThenBy(l => l, StringComparer.Ordinal).Last();
        var revision = await NewRevisionAsync(RevisionLetter.Next(newest), held.Now.Sheet, personId);
        revision.ProcedureId = from.ProcedureId;
        db.Revisions.Add(revision);
        await db.SaveChangesAsync();
        // What was waived stays waived as long as it stays the same.
        foreach (var waiver in await db.Waivers.AsNoTracking().Where(w => w.RevisionId == from.Id && w.TakenBackBy == null).ToListAsync())
            db.Waivers.Add(new WaiverEntry { RevisionId = revision.Id, Key = waiver.Key, Seal = waiver.Seal, PersonId = waiver.PersonId, At = waiver.At, Reason = waiver.Reason });
        // So does what was verified.
        foreach (var check in await db.ValueChecks.AsNoTracking().Where(c => c.RevisionId == from.Id).OrderBy(c => c.Id).ToListAsync())
            db.ValueChecks.Add(new ValueCheckEntry { RevisionId = revision.Id, Joint = check.Joint, Seal = check.Seal, Read = check.Read, Agrees = check.Agrees, PersonId = check.PersonId, At = check.At });
        await db.SaveChangesAsync();
        return revision.Id;
    }

    private async Task<Revision> NewRevisionAsync(string letter, Sheet sheet, string authorId)
    {
        var walked = Draft.Walked.Of(sheet, 0, (await book.NowAsync()).Workshop, Draft.Reviewed.Not);
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
        revision.Events.Add(new ReviewEvent { Kind = ReviewEventKind.Begun, PersonId = authorId, At = Now });
        return revision;
    }

    // Who wrote on it: whoever began it, and whoever edited it.
    private async Task<List<string>> WritersAsync(Revision revision) => [.. await db.Edits.Where(e => e.RevisionId == revision.Id).Select(e => e.PersonId).Distinct().ToListAsync(), revision.AuthorId];

    private static (int Stops, int Warnings) Count(Draft.Walked walked)
    {
        var stops = walked.Findings.Count(f => f.Severity == Severity.Stop);
        return (stops, walked.Findings.Length - stops);
    }

    // Nobody edits while a revision changes its state: the gate is held, and the row is read again behind it.
    private async Task<Problem?> ChangeAsync(Revision revision, Func<Draft.Walked, Revision, Task<Problem?>> change)
    {
        if (await drafts.OpenAsync(revision.Id) is not { } held) return new Problem("The revision is not there.", "Look for it on the shelf.");
        await held.Gate.WaitAsync();
        try
        {
            var row = await db.Revisions.SingleAsync(r => r.Id == revision.Id);
            await db.Entry(row).ReloadAsync();
            if (await change(held.Now, row) is { } problem) return problem;
            await db.SaveChangesAsync();
            held.Become(new Draft.Reviewed(row.State, await log.WaiversAsync(row.Id), await log.ChecksAsync(row.Id)), row.WorkshopVersion);
            // What is found depends on the state, too: values are asked for in review.
            (row.Stops, row.Warnings) = Count(held.Now);
            await db.SaveChangesAsync();
            return null;
        }
        finally
        {
            held.Gate.Release();
        }
    }

    private void Become(Revision revision, RevisionState state, ReviewEventKind kind, string personId, string text = "")
    {
        revision.State = state;
        if (kind != ReviewEventKind.Superseded) revision.ChangedAt = Now;
        db.Events.Add(new ReviewEvent { RevisionId = revision.Id, Kind = kind, PersonId = personId, At = Now, Text = text });
    }
}
