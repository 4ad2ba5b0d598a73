using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Revisions;
using WornPath.Store;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>Whose a procedure is, and who may write along.</summary>
public static class AuthorEndpoints
{
    /// <summary>Somebody named by id.</summary>
    public sealed record PersonForm([property: Required, MaxLength(64)] string Person);

    public static void MapAuthors(this IEndpointRouteBuilder api)
    {
        api.MapGet("/people/authors", async (WornPathDb db) => TypedResults.Ok(await db.UserRoles.Join(db.Roles.Where(r => r.Name == Roles.Author), u => u.RoleId, r => r.Id, (u, r) => u.UserId)
            .Join(db.Users, id => id, p => p.Id, (id, p) => new { p.Id, p.DisplayName }).OrderBy(p => p.DisplayName).Select(p => new Someone(p.Id, p.DisplayName)).ToListAsync())).RequireAuthorization(Policies.Workshop).WithName("ListAuthors").WithTags("Authors");
        var procedure = api.MapGroup("/procedures/{procedure:int}").WithTags("Authors").RequireAuthorization(Policies.Workshop);
        procedure.MapPost("/ask", (int procedure, Authors authors, ClaimsPrincipal me) => LiveAsync(authors.AskAsync(procedure, me.Id()))).RequireAuthorization(Policies.Author).WithName("AskToWrite");
        procedure.MapPost("/authors", (int procedure, PersonForm form, Authors authors, ClaimsPrincipal me) => LiveAsync(authors.GiveAsync(procedure, me.Id(), me.IsInRole(Roles.Administrator), form.Person))).WithName("GiveToCoAuthor");
        procedure.MapDelete("/authors/{person}", (int procedure, [MaxLength(64)] string person, Authors authors, ClaimsPrincipal me) => LiveAsync(authors.TakeAsync(procedure, me.Id(), me.IsInRole(Roles.Administrator), person))).WithName("TakeFromCoAuthor");
        procedure.MapPost("/owner", (int procedure, PersonForm form, Authors authors, ClaimsPrincipal me) => LiveAsync(authors.HandOverAsync(procedure, me.Id(), me.IsInRole(Roles.Administrator), form.Person))).WithName("HandOver");
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> LiveAsync(Task<Problem?> change) => await change is { } problem ? Problems.Refused(problem) : TypedResults.NoContent();
}
