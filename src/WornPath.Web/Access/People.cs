using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Revisions;
using WornPath.Store;
using WornPath.Store.Entities;

namespace WornPath.Web.Access;

/// <summary>People, as administrators give and take their access. Nobody is deleted: what she wrote and signed bears her name.</summary>
public sealed class People(WornPathDb db, UserManager<Person> users, SessionBook sessions, SignInGuard guard, Mailbox mail,
    AuditTrail audit, AccessOptions options, TimeProvider time)
{
    /// <summary>A link made for somebody, to be handed over; it is not shown again.</summary>
    /// <param name="PersonId">For whom.</param>
    /// <param name="Path">What follows the address of the server.</param>
    /// <param name="EndsAt">Until when it can be used.</param>
    public sealed record Link(string PersonId, string Path, DateTime EndsAt);

    /// <summary>Makes a person and the link with which she chooses her password.</summary>
    public async Task<Outcome<Link>> InviteAsync(Person? by, string account, string name, string? email, IReadOnlyList<string> roles, string? siteUrl)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        if (RolesProblem(roles) is { } noRoles) return noRoles;
        var shown = await NameAsync(name, null);
        if (!shown.IsGood) return shown.Problem;
        if (EmailProblem(email) is { } noEmail) return noEmail;
        var person = new Person { UserName = account, DisplayName = shown.Value, NameKey = PersonName.Key(shown.Value), Email = Blank(email) };
        if (Failed(await users.CreateAsync(person)) is { } notMade) return notMade;
        await users.AddToRolesAsync(person, roles);
        await audit.WriteAsync(AuditKind.Invited, by, person, string.Join(", ", roles));
        var link = await LinkAsync(person);
        await transaction.CommitAsync();
        Write(person, siteUrl + link.Path, "You can sign in to Worn Path", by);
        return link;
    }

    /// <summary>Gives a person another name, address or other roles.</summary>
    public async Task<Problem?> ChangeAsync(Person by, Person person, string name, string? email, IReadOnlyList<string> roles)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        if (RolesProblem(roles) is { } noRoles) return noRoles;
        var shown = await NameAsync(name, person.Id);
        if (!shown.IsGood) return shown.Problem;
        if (EmailProblem(email) is { } noEmail) return noEmail;
        var former = await users.GetRolesAsync(person);
        if (former.Contains(Roles.Administrator) && !roles.Contains(Roles.Administrator) && await IsLastAsync(person)) return LastAdministrator();
        if (person.Email != Blank(email)) mail.Tell(person, "Your address for mail was changed",
            "This one is written to no more. If that is wrong, tell an administrator.");
        (person.DisplayName, person.NameKey, person.Email) = (shown.Value, PersonName.Key(shown.Value), Blank(email));
        if (Failed(await users.UpdateAsync(person)) is { } notKept) return notKept;
        await ShelfWords.ForgetOfAsync(db, person.Id);
        await users.RemoveFromRolesAsync(person, former.Except(roles));
        await users.AddToRolesAsync(person, roles.Except(former));
        await audit.WriteAsync(AuditKind.PersonChanged, by, person, $"roles: {string.Join(", ", roles)}");
        await transaction.CommitAsync();
        sessions.Changed(person.Id);
        return null;
    }

    /// <summary>Lets a person sign in no more, from this moment on. What she did stays, signed as it was.</summary>
    public async Task<Problem?> DisableAsync(Person by, Person person)
    {
        if (person.Id == by.Id) return new Problem("You cannot disable yourself.", "Ask another administrator.");
        if (person.DisabledAt is not null) return null;
        await using (var transaction = await db.Database.BeginTransactionAsync())
        {
            if (await IsLastAsync(person)) return LastAdministrator();
            person.DisabledAt = Now;
            if (Failed(await users.UpdateAsync(person)) is { } notKept) return notKept;
            await VoidLinksAsync(person);
            await audit.WriteAsync(AuditKind.Disabled, by, person);
            await transaction.CommitAsync();
        }

        await sessions.EndAllAsync(person.Id, SessionEnd.Disabled);
        return null;
    }

    /// <summary>The same by the server itself, for an account whose password everybody knows; the last administrator's, too.</summary>
    public async Task DisableByServerAsync(Person person)
    {
        person.DisabledAt = Now;
        if (Failed(await users.UpdateAsync(person)) is { } notKept) throw new InvalidOperationException(notKept.ToString());
        await audit.WriteAsync(AuditKind.Disabled, null, person, "its password is that of the demo");
        await sessions.EndAllAsync(person.Id, SessionEnd.Disabled);
    }

    /// <summary>Lets a disabled person sign in again, as before.</summary>
    public async Task<Problem?> EnableAsync(Person by, Person person)
    {
        if (person.DisabledAt is null) return null;
        person.DisabledAt = null;
        if (Failed(await users.UpdateAsync(person)) is { } notKept) return notKept;
        await audit.WriteAsync(AuditKind.Enabled, by, person);
        return null;
    }

    /// <summary>Forgets the wrong tries that hold a person off.</summary>
    public async Task UnlockAsync(Person by, Person person)
    {
        guard.Unlock(person.UserName!);
        await audit.WriteAsync(AuditKind.Unlocked, by, person);
    }

    /// <summary>
    /// Has a person choose a new password with a new link. Password and second factor hold no more from now on, and she is signed out
    /// everywhere: whoever may know them is out.
    /// </summary>
    public async Task<Outcome<Link>> ResetAsync(Person? by, Person person, string? siteUrl)
    {
        if (by?.Id == person.Id) return new Problem("You cannot reset yourself.",
            "Change password and second factor under your name, or ask another administrator.");
        if (person.DisabledAt is not null) return new Problem($"{person.DisplayName} is disabled.", "Enable her first.");
        Link link;
        await using (var transaction = await db.Database.BeginTransactionAsync())
        {
            if (by is not null && await IsLastAsync(person)) return LastAdministrator();
            (person.PasswordHash, person.FactorSecret) = (null, null);
            if (Failed(await users.UpdateSecurityStampAsync(person)) is { } notKept) return notKept;
            await db.RecoveryCodes.Where(c => c.PersonId == person.Id).ExecuteDeleteAsync();
            await audit.WriteAsync(AuditKind.Reset, by, person);
            link = await LinkAsync(person);
            await transaction.CommitAsync();
        }

        guard.Unlock(person.UserName!);
        await sessions.EndAllAsync(person.Id, SessionEnd.Reset);
        Write(person, siteUrl + link.Path, "Choose a new password for Worn Path", by);
        return link;
    }

    /// <summary>Whose link a token is; null where it opens nothing any more.</summary>
    public Task<Invitation?> LookAsync(string token)
    {
        var (hash, now) = (Hashes.Of(token), Now);
        return db.Invitations.AsNoTracking().Include(i => i.Person)
            .FirstOrDefaultAsync(i => i.TokenHash == hash && i.UsedAt == null && i.EndsAt > now && i.Person.DisabledAt == null);
    }

    /// <summary>Chooses a password with a link, which is used up by it.</summary>
    public async Task<Outcome<Person>> JoinAsync(string token, string password)
    {
        await using var transaction = await db.Database.BeginTransactionAsync();
        if (await LookAsync(token) is not { } invitation || await users.FindByIdAsync(invitation.PersonId) is not { } person) return NoLink();
        var now = Now;
        if (await db.Invitations.Where(i => i.Id == invitation.Id && i.UsedAt == null)
            .ExecuteUpdateAsync(i => i.SetProperty(x => x.UsedAt, now)) == 0) return NoLink();
        // A password that may not be used leaves the link as it was.
        if (Failed(await users.AddPasswordAsync(person, password)) is { } notTaken) return notTaken;
        await audit.WriteAsync(AuditKind.Joined, person);
        await transaction.CommitAsync();
        return person;
    }

    /// <summary>Chooses another password; all other sessions end.</summary>
    public async Task<Problem?> ChangePasswordAsync(Person person, string password, int session)
    {
        if (PasswordRules.Check(password, person.UserName, person.DisplayName, person.Email) is { } weak) return weak;
        await using (var transaction = await db.Database.BeginTransactionAsync())
        {
            if ((Failed(await users.RemovePasswordAsync(person)) ?? Failed(await users.AddPasswordAsync(person,
                password))) is { } notTaken) return notTaken;
            await audit.WriteAsync(AuditKind.PasswordChanged, person);
            await transaction.CommitAsync();
        }

        await sessions.EndAllAsync(person.Id, SessionEnd.Changed, but: session);
        mail.Tell(person, "Your password was changed", "If it was not you, tell an administrator at once.");
        return null;
    }

    /// <summary>A link that opens nothing.</summary>
    public static Problem NoLink() => new("This link opens nothing.",
        "It was used, another has taken its place, or its time is over: ask an administrator for a new one.");

    private async Task<Link> LinkAsync(Person person)
    {
        await VoidLinksAsync(person);
        var token = Hashes.NewSecret();
        var link = new Invitation { TokenHash = Hashes.Of(token), PersonId = person.Id, At = Now, EndsAt = Now + options.Link };
        db.Invitations.Add(link);
        await db.SaveChangesAsync();
        // After the #: no server on the way, no log and no referrer has it.
        return new Link(person.Id, $"/join#{token}", link.EndsAt);
    }

    private Task VoidLinksAsync(Person person)
    {
        var now = Now;
        return db.Invitations.Where(i => i.PersonId == person.Id && i.UsedAt == null).ExecuteUpdateAsync(i => i.SetProperty(x => x.UsedAt, now));
    }

    private void Write(Person person, string link, string subject, Person? by)
    {
        if (person.Email is null) return;
        mail.Put(person.Email, person.DisplayName, subject,
            $"{person.DisplayName},\n\n{by?.DisplayName ?? "The server"} has made this link for you. Your account is “{person.UserName}”. Open it and choose a password:\n\n{link}\n\nIt opens once, and until {Now + options.Link:d MMMM yyyy HH:mm} UTC.\n");
    }

    private async Task<Outcome<string>> NameAsync(string name, string? ownId)
    {
        var shown = PersonName.Check(name);
        if (!shown.IsGood) return shown;
        var key = PersonName.Key(shown.Value);
        if (await db.Users.FirstOrDefaultAsync(p => p.NameKey == key && p.Id != ownId) is not { } other) return shown;
        return new Problem($"“{shown.Value}” looks like {other.DisplayName}, who is here already.",
            "Give a name that tells the two apart.")
        { Clash = new Clash(other.DisplayName, shown.Value) };
    }

    private Task<bool> IsLastAsync(Person person) => IsLastAsync(db, person.Id);

    /// <summary>True where nobody else could administrate.</summary>
    private static async Task<bool> IsLastAsync(WornPathDb db, string personId) => !await AdministratorsOf(db)
        .AnyAsync(p => p.Id != personId) && await AdministratorsOf(db).AnyAsync(p => p.Id == personId);

    /// <summary>The administrators who can sign in.</summary>
    public static IQueryable<Person> AdministratorsOf(WornPathDb db) =>
        db.UserRoles.Join(db.Roles.Where(r => r.Name == Roles.Administrator), u => u.RoleId, r => r.Id, (u, _) => u.UserId)
        .Join(db.Users, id => id, p => p.Id, (_, p) => p).Where(p => p.DisabledAt == null && p.PasswordHash != null);

    private static Problem LastAdministrator() => new("Nobody else could administrate the workshop.",
        "Make another person an administrator first, and have her sign in.");

    private static Problem? RolesProblem(IReadOnlyList<string> roles) => roles.Count == 0 || roles.Except(Roles.All).Any()
        ? new Problem("A person needs at least one role.", $"Choose among: {string.Join(", ", Roles.All)}.") : null;

    private static Problem? EmailProblem(string? email) => Blank(email) is { } address && !Mailbox.IsAddress(address)
        ? new Problem($"“{address}” is no address mail can be sent to.", "Write it as name@place, or leave it away.") : null;

    private static string? Blank(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();

    private static Problem? Failed(IdentityResult result) => result.Succeeded ? null
        : new Problem(string.Join(" ", result.Errors.Select(e => e.Description)), "Change it and send it again.");

    private DateTime Now => time.GetUtcNow().UtcDateTime;
}
