using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>What waits for who is signed in, of all procedures.</summary>
public static class DeskEndpoints
{
    public static void MapDesk(this IEndpointRouteBuilder api) =>
        api.MapGet("/desk", GetAsync).RequireAuthorization().WithTags("Shelf").WithName("GetDesk");

    private static async Task<Ok<IReadOnlyList<Desk.DeskLine>>> GetAsync(Desk desk, ClaimsPrincipal me) =>
        TypedResults.Ok(await desk.ForAsync(me.Id(), [.. me.FindAll(ClaimTypes.Role).Select(c => c.Value)]));
}
