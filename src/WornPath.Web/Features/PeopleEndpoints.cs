using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;

namespace WornPath.Web.Features;

/// <summary>The people of the workshop, for an administrator.</summary>
public static class PeopleEndpoints
{
    /// <summary>Somebody, as an administrator sees her.</summary>
    /// <param name="SeenAt">When she last did something; null for never.</param>
    /// <param name="LinkEndsAt">Until when the link she was given opens; null where none is open.</param>
    /// <param name="WrongTries">Wrong tries to sign in that count now.</param>
    /// <param name="Sessions">How many sessions go on.</param>
    /// <param name="Owns">How many procedures are hers.</param>
    public sealed record PersonLine(string Id, string UserName, string Name, string? Email, IReadOnlyList<string> Roles,
        PersonState State, bool HasFactor, DateTime? SeenAt, DateTime? LinkEndsAt, int WrongTries, int Sessions, int Owns, bool IsMe);

    /// <summary>A person to invite.</summary>
    public sealed record NewPerson([property: Required, MaxLength(100)] string UserName,
        [property: Required, MaxLength(100)] string Name, [property: MaxLength(200)] string? Email,
        [property: Required, MaxLength(5)] IReadOnlyList<string> Roles);

    /// <summary>What may be changed of a person.</summary>
    public sealed record PersonChange([property: Required, MaxLength(100)] string Name, [property: MaxLength(200)] string? Email,
        [property: Required, MaxLength(5)] IReadOnlyList<string> Roles);

    /// <summary>A link to hand over. It is shown once.</summary>
    public sealed record LinkMade(string PersonId, string Url, DateTime EndsAt);

    public static void MapPeople(this IEndpointRouteBuilder api)
    {
        var people = api.MapGroup("/people").WithTags("People").RequireAuthorization(Policies.Administrator);
        people.MapGet("", ListAsync).WithName("ListPeople");
        people.MapPost("", InviteAsync).AskingAgain().WithName("Invite");
        people.MapPut("/{person}", ChangeAsync).AskingAgain().WithName("ChangePerson");
        people.MapPost("/{person}/disable", (HttpContext context, string person, UserManager<Person> users, People access) =>
            DoAsync(context, person, users, access.DisableAsync)).AskingAgain().WithName("DisablePerson");
        people.MapPost("/{person}/enable", (HttpContext context, string person, UserManager<Person> users, People access) =>
            DoAsync(context, person, users, access.EnableAsync)).AskingAgain().WithName("EnablePerson");
        people.MapPost("/{person}/unlock", (HttpContext context, string person, UserManager<Person> users, People access) =>
            DoAsync(context, person, users, async (by, whom) =>
        {
            await access.UnlockAsync(by, whom);
            return null;
        })).AskingAgain().WithName("UnlockPerson");
        people.MapPost("/{person}/reset", ResetAsync).AskingAgain().WithName("ResetPerson");
        api.MapGet("/mail", (Mailbox mail) => TypedResults.Ok(mail.Last())).RequireAuthorization(Policies.Administrator).AskingAgain()
            .WithName("ListMail").WithTags("People");
    }

    private static async Task<Ok<List<PersonLine>>> ListAsync(HttpContext context, WornPathDb db, SignInGuard guard, TimeProvider time)
    {
        var (now, me) = (time.GetUtcNow().UtcDateTime, context.User.Id());
        var people = await db.Users.AsNoTracking().OrderBy(p => p.NameKey).ToListAsync();
        var roles = (await db.UserRoles.Join(db.Roles, u => u.RoleId, r => r.Id, (u, r) => new { u.UserId, r.Name }).ToListAsync())
            .ToLookup(r => r.UserId, r => r.Name!);
        var seen = await db.Sessions.GroupBy(s => s.PersonId)
            .Select(g => new { g.Key, SeenAt = g.Max(s => s.SeenAt), Open = g.Count(s => s.EndedAt == null) }).ToDictionaryAsync(s => s.Key);
        var links = await db.Invitations.Where(i => i.UsedAt == null && i.EndsAt > now).GroupBy(i => i.PersonId)
            .Select(g => new { g.Key, EndsAt = g.Max(i => i.EndsAt) }).ToDictionaryAsync(i => i.Key, i => i.EndsAt);
        var owned = await db.ProcedureAuthors.Where(a => a.IsOwner).GroupBy(a => a.PersonId).Select(g => new { g.Key, Count = g.Count() })
            .ToDictionaryAsync(o => o.Key, o => o.Count);
        return TypedResults.Ok(people.ConvertAll(p => new PersonLine(p.Id, p.UserName!, p.DisplayName, p.Email,
            [.. Core.Revisions.Roles.All.Where(roles[p.Id].Contains)], p.State, p.HasFactor,
            seen.GetValueOrDefault(p.Id)?.SeenAt, links.TryGetValue(p.Id, out var ends) ? ends : null, guard.TriesOf(p.UserName!),
                seen.GetValueOrDefault(p.Id)?.Open ?? 0, owned.GetValueOrDefault(p.Id), p.Id == me)));
    }

    private static async Task<Results<Ok<LinkMade>, ProblemHttpResult>> InviteAsync(NewPerson form, HttpContext context,
        UserManager<Person> users, People access, AccessOptions options)
    {
        var site = SiteOf(context, options);
        return Made(await access.InviteAsync(await users.FindByIdAsync(context.User.Id()), form.UserName.Trim(), form.Name, form.Email,
            form.Roles, site), site);
    }

    private static async Task<Results<Ok<LinkMade>, ProblemHttpResult>> ResetAsync(string person, HttpContext context,
        UserManager<Person> users, People access, AccessOptions options)
    {
        if (await users.FindByIdAsync(person) is not { } whom) return Problems.NotThere("This person");
        var site = SiteOf(context, options);
        return Made(await access.ResetAsync(await users.FindByIdAsync(context.User.Id()), whom, site), site);
    }

    private static Task<Results<NoContent, ProblemHttpResult>> ChangeAsync(string person, PersonChange form, HttpContext context,
        UserManager<Person> users, People access) =>
        DoAsync(context, person, users, (by, whom) => access.ChangeAsync(by, whom, form.Name, form.Email, form.Roles));

    private static async Task<Results<NoContent, ProblemHttpResult>> DoAsync(HttpContext context, string person,
        UserManager<Person> users, Func<Person, Person, Task<Problem?>> act)
    {
        if (await users.FindByIdAsync(person) is not { } whom
            || await users.FindByIdAsync(context.User.Id()) is not { } by) return Problems.NotThere("This person");
        return await act(by, whom) is { } problem ? Problems.Refused(problem) : TypedResults.NoContent();
    }

    private static Results<Ok<LinkMade>, ProblemHttpResult> Made(Outcome<People.Link> link, string site) =>
        link.IsGood ? TypedResults.Ok(new LinkMade(link.Value.PersonId, site + link.Value.Path, link.Value.EndsAt)) : link.Problem.ToHttp();

    private static string SiteOf(HttpContext context, AccessOptions options) =>
        (options.PublicUrl?.ToString() ?? $"{context.Request.Scheme}://{context.Request.Host}").TrimEnd('/');
}
