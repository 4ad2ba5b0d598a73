using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Revisions;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>What differs between a revision and another one of its procedure.</summary>
public static class DifferenceEndpoints
{
    /// <summary>A step that differs, side by side.</summary>
    /// <param name="Id">Its id, the same in both.</param>
    /// <param name="Before">Its number before; null where it is new.</param>
    /// <param name="After">Its number after; null where it is gone.</param>
    /// <param name="Moved">True where it stands at another place among the others.</param>
    /// <param name="Words">Its words, with what went and what came.</param>
    public sealed record StepSideBySide(string Id, int? Before, int? After, bool Moved, ImmutableArray<MarkedWords> Words);

    /// <summary>What differs.</summary>
    /// <param name="Since">What it is held against; null where the procedure has no other revision to hold it against.</param>
    /// <param name="Others">The revisions it can be held against, the latest first.</param>
    /// <param name="Lines">Each difference in words, by what it is about.</param>
    /// <param name="Steps">The steps that differ, side by side.</param>
    public sealed record DifferencesView(RevisionEndpoints.SiblingView? Since, IReadOnlyList<RevisionEndpoints.SiblingView> Others,
        ImmutableArray<Difference> Lines, ImmutableArray<StepSideBySide> Steps);

    public static void MapDifferences(this IEndpointRouteBuilder api) =>
        api.MapGet("/revisions/{id:int}/differences", GetAsync).RequireAuthorization().WithTags("Revision").WithName("GetDifferences");

    private static async Task<Results<Ok<DifferencesView>, ProblemHttpResult>> GetAsync(int id, int? since, RevisionEndpoints.Shelf shelf,
        Former former, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft)
            return Problems.NotThere("This revision");
        var others = await former.AllAsync(revision, me);
        var against = since is { } wanted ? others.FirstOrDefault(o => o.Id == wanted) : Former.LastIn(others, id);
        if (against is null && since is null) return TypedResults.Ok(new DifferencesView(null, others, [], []));
        if (against is null || await drafts.OpenAsync(against.Id) is not { } earlier) return Problems.NotThere("The revision to compare with");
        var differences = Differences.Between(earlier.Now.Walks.As(null), draft.Now.Walks.As(null), against.Letter);
        if (BlindReading.Is(draft, me)) differences = Former.Hidden(differences, draft, earlier);
        var words = new WordMarks();
        return TypedResults.Ok(new DifferencesView(against, others, differences.Lines,
            [.. differences.Steps.Select(d => new StepSideBySide(d.Id, d.Before, d.After, d.Moved, words.Of(d.Was, d.Now)))]));
    }
}
