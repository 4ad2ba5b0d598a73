using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Revisions;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>What waits for who is signed in, of all procedures.</summary>
public static class DeskEndpoints
{
    public static void MapDesk(this IEndpointRouteBuilder api) =>
        api.MapGet("/desk", GetAsync).RequireAuthorization().WithTags("Shelf").WithName("GetDesk");

    // Of all sheets, also of some whose values a reviewer is to read in their sources first: no number of what others said is shown to her here.
    private static async Task<Ok<IReadOnlyList<Desk.DeskLine>>> GetAsync(Desk desk, ClaimsPrincipal me)
    {
        var reviews = me.IsInRole(Roles.Reviewer) || me.IsInRole(Roles.Approver);
        return TypedResults.Ok(await desk.OfAsync(me.Id(), me.SeesDrafts(), reviews, said => reviews ? Blind.HideAllNumbers(said, null) : said));
    }
}
