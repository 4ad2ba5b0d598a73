using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Core.Building;
using WornPath.Core.Walking;
using WornPath.Store;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>What the walk shows of the whole: the chart, and what must be in hand before the first bolt.</summary>
public static class WalkEndpoints
{
    /// <summary>Something ticked off, or not.</summary>
    public sealed record Ticked([property: Required, MaxLength(200)] string Key, bool InHand);

    public static void MapWalk(this IEndpointRouteBuilder api)
    {
        var revision = api.MapGroup("/revisions/{id:int}").WithTags("Walk").RequireAuthorization();
        revision.MapGet("/chart", ChartAsync).WithName("GetChart");
        revision.MapGet("/ready", ReadyAsync).WithName("GetReady");
        // Whoever sees the sheet may say what is in hand: it is the installer who looks.
        revision.MapPut("/ready", TickAsync).WithName("TickReady");
    }

    private static async Task<Results<Ok<Chart>, ProblemHttpResult>> ChartAsync(int id, [FromQuery(Name = "as")] string? walkAs, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        return TypedResults.Ok(Chart.Of(draft.Now.Walks.As(walkAs)));
    }

    private static async Task<Results<Ok<Readiness>, ProblemHttpResult>> ReadyAsync(int id, [FromQuery(Name = "as")] string? walkAs, DateOnly? wanted, [Range(1, 12)] int? crew, WornPathDb db, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var inHand = await db.InHand.AsNoTracking().Where(t => t.RevisionId == id).Select(t => t.Key).ToListAsync();
        return TypedResults.Ok(Readiness.Of(draft.Now.Walks.As(walkAs), inHand.ToHashSet(), wanted, crew));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> TickAsync(int id, Ticked form, WornPathDb db, TimeProvider time, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (!draft.Now.Walks.All.Any(w => Readiness.Of(w, ImmutableHashSet<string>.Empty).Items.Any(i => i.Key == form.Key))) return new Problem("This is not on the list any more.", "Reload to see what is.").ToHttp();
        if (!form.InHand) await db.InHand.Where(t => t.RevisionId == id && t.Key == form.Key).ExecuteDeleteAsync();
        // Two who tick the same off at once both have it: the first one's name stays.
        else await db.Database.ExecuteSqlAsync($"INSERT OR IGNORE INTO InHand (RevisionId, \"Key\", PersonId, At) VALUES ({id}, {form.Key}, {me.Id()}, {time.GetUtcNow().UtcDateTime})");
        return TypedResults.NoContent();
    }
}
