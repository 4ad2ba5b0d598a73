using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Building;
using WornPath.Core.Editing;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>What the program proposes from what holds what: the refit in reverse, and the way to a part.</summary>
public static class BuildingEndpoints
{
    /// <summary>A refit proposed from a phase.</summary>
    /// <param name="Steps">Its sentences, a step each; empty where nothing is off, slack or open when the phase ends.</param>
    /// <param name="Into">The phase they would be written into.</param>
    /// <param name="Edit">The edit that writes them; null where there is nothing to write.</param>
    public sealed record RefitView(ImmutableArray<string> Steps, string Into, Edit? Edit);

    /// <summary>The way to a part.</summary>
    /// <param name="Order">Labels of what must come off, in order; the part itself is last.</param>
    /// <param name="Why">Why it is not the first; empty where it can be.</param>
    /// <param name="Circle">What stands in the way, where nothing can come off first; empty elsewhere.</param>
    public sealed record ReachView(ImmutableArray<string> Order, string Why, string Circle);

    public static void MapBuilding(this IEndpointRouteBuilder api)
    {
        var revision = api.MapGroup("/revisions/{id:int}").WithTags("Building").RequireAuthorization();
        revision.MapGet("/refit", RefitAsync).WithName("GetRefit");
        revision.MapGet("/reach/{part}", ReachAsync).WithName("GetReach");
    }

    private static async Task<Results<Ok<RefitView>, ProblemHttpResult>> RefitAsync(int id, string phase, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var walk = draft.Now.Walks.Whole;
        if (walk.Sheet.Phases.All(p => p.Id != phase)) return Problems.NotThere($"The phase {NumberText.Excerpt(phase)}");
        return TypedResults.Ok(new RefitView(ReverseBuilder.Propose(walk, phase), ReverseBuilder.TargetOf(walk, phase)?.Name ?? ReverseBuilder.NewPhase, ReverseBuilder.EditFor(walk, phase)));
    }

    private static async Task<Results<Ok<ReachView>, ProblemHttpResult>> ReachAsync(int id, string part, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var sheet = draft.Now.Sheet;
        if (sheet.Find(part) is not Part) return Problems.NotThere($"The part {NumberText.Excerpt(part)}");
        var order = RemovalOrder.Of(sheet);
        var way = order.ToReach(part);
        return TypedResults.Ok(new ReachView(way.IsGood ? [.. way.Value.Select(i => sheet.Find(i)!.Label)] : [], order.Why(part), way.Problem?.ToString() ?? ""));
    }
}
