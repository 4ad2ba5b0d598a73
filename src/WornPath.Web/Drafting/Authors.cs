using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Revisions;
using WornPath.Store;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>Whose procedures are: asked for, given, and taken back.</summary>
public sealed class Authors(WornPathDb db, Drafts drafts, Live live, TimeProvider time)
{
    /// <summary>Who writes on a procedure, and who asks to.</summary>
    public sealed record Board(Someone Owner, IReadOnlyList<Someone> CoAuthors, IReadOnlyList<Someone> Asks);

    /// <summary>Who writes on a procedure, and who asks to.</summary>
    public async Task<Board> BoardAsync(int procedureId)
    {
        var authors = await db.ProcedureAuthors.AsNoTracking().Where(a => a.ProcedureId == procedureId).OrderBy(a => a.Person.DisplayName).Select(a => new { a.IsOwner, Who = new Someone(a.PersonId, a.Person.DisplayName) }).ToListAsync();
        var asks = await db.AsksToWrite.AsNoTracking().Where(a => a.ProcedureId == procedureId).OrderBy(a => a.At).Select(a => new Someone(a.PersonId, a.Person.DisplayName)).ToListAsync();
        return new Board(authors.Single(a => a.IsOwner).Who, [.. authors.Where(a => !a.IsOwner).Select(a => a.Who)], asks);
    }

    /// <summary>Asks to write along.</summary>
    public Task<Problem?> AskAsync(int procedureId, string personId) => ChangeAsync(procedureId, async standing =>
    {
        if (standing.Ask(personId) is { } problem) return problem;
        if (!await db.AsksToWrite.AnyAsync(a => a.ProcedureId == procedureId && a.PersonId == personId)) db.AsksToWrite.Add(new AskToWrite { ProcedureId = procedureId, PersonId = personId, At = Now });
        return null;
    });

    /// <summary>Gives somebody the procedure to write on as well.</summary>
    public Task<Problem?> GiveAsync(int procedureId, string giver, bool isAdministrator, string personId) => ChangeAsync(procedureId, async standing =>
    {
        if (standing.Give(giver, isAdministrator) is { } problem) return problem;
        if (await NoAuthorAsync(personId) is { } no) return no;
        await AnswerAsync(procedureId, personId);
        if (standing.Write(personId) is not null) db.ProcedureAuthors.Add(new ProcedureAuthor { ProcedureId = procedureId, PersonId = personId, GivenById = giver, At = Now });
        return null;
    });

    /// <summary>Takes the procedure back from a co-author, or declines who asks.</summary>
    public Task<Problem?> TakeAsync(int procedureId, string giver, bool isAdministrator, string personId) => ChangeAsync(procedureId, async standing =>
    {
        // Whoever writes along may leave by herself.
        if (giver != personId && standing.Give(giver, isAdministrator) is { } problem) return problem;
        if (personId == standing.Owner) return new Problem("The owner writes on her procedure.", "Hand it over first.");
        await AnswerAsync(procedureId, personId);
        await db.ProcedureAuthors.Where(a => a.ProcedureId == procedureId && a.PersonId == personId).ExecuteDeleteAsync();
        return null;
    });

    /// <summary>Hands the procedure over; the former owner writes along from then on.</summary>
    public Task<Problem?> HandOverAsync(int procedureId, string giver, bool isAdministrator, string personId) => ChangeAsync(procedureId, async standing =>
    {
        if (standing.Give(giver, isAdministrator) is { } problem) return problem;
        if (await NoAuthorAsync(personId) is { } no) return no;
        await AnswerAsync(procedureId, personId);
        await db.ProcedureAuthors.Where(a => a.ProcedureId == procedureId && (a.IsOwner || a.PersonId == personId)).ExecuteDeleteAsync();
        db.ProcedureAuthors.Add(new ProcedureAuthor { ProcedureId = procedureId, PersonId = personId, IsOwner = true, GivenById = giver, At = Now });
        if (personId != standing.Owner) db.ProcedureAuthors.Add(new ProcedureAuthor { ProcedureId = procedureId, PersonId = standing.Owner, GivenById = giver, At = Now });
        return null;
    });

    // An asking is answered, whichever way.
    private Task AnswerAsync(int procedureId, string personId) =>
        db.AsksToWrite.Where(a => a.ProcedureId == procedureId && a.PersonId == personId).ExecuteDeleteAsync();

    private DateTime Now => time.GetUtcNow().UtcDateTime;

    private async Task<Problem?> NoAuthorAsync(string personId)
    {
        var isAuthor = await db.UserRoles.Join(db.Roles, u => u.RoleId, r => r.Id, (u, r) => new { u.UserId, r.Name }).AnyAsync(u => u.UserId == personId && u.Name == Roles.Author);
        return isAuthor ? null : new Problem("Only an author writes on a procedure.", "An administrator gives people their roles.");
    }

    private async Task<Problem?> ChangeAsync(int procedureId, Func<Authorship, Task<Problem?>> change)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        var rows = await db.ProcedureAuthors.AsNoTracking().Where(a => a.ProcedureId == procedureId).Select(a => new { a.PersonId, a.IsOwner, a.Person.DisplayName }).ToListAsync();
        if (rows.FirstOrDefault(r => r.IsOwner) is not { } owner) return new Problem("This procedure is not there.", "Look for it on the shelf.");
        if (await change(new Authorship(owner.PersonId, owner.DisplayName, rows.Where(r => !r.IsOwner).Select(r => r.PersonId).ToHashSet())) is { } problem) return problem;
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
        foreach (var id in await db.Revisions.Where(r => r.ProcedureId == procedureId).Select(r => r.Id).ToListAsync())
        {
            drafts.Outdate(id);
            live.Moved(id);
        }

        return null;
    }
}
