using System.Collections.Immutable;
using System.Security.Claims;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Core.Walking;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;
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
    public sealed record StepBothView(string Id, int? Before, int? After, bool Moved, ImmutableArray<MarkedWords> Words);

    /// <summary>What differs.</summary>
    /// <param name="Since">What it is held against; null where the procedure has no other revision to hold it against.</param>
    /// <param name="Others">The revisions it can be held against, the latest first.</param>
    /// <param name="Lines">Each difference in words, by what it is about.</param>
    /// <param name="Steps">The steps that differ, side by side.</param>
    /// <param name="Summary">The same as one would tell it: a sentence each.</param>
    public sealed record DifferencesView(RevisionEndpoints.SiblingView? Since, IReadOnlyList<RevisionEndpoints.SiblingView> Others, ImmutableArray<Difference> Lines,
        ImmutableArray<StepBothView> Steps, ImmutableArray<string> Summary);

    public static void MapDifferences(this IEndpointRouteBuilder api) =>
        api.MapGet("/revisions/{id:int}/differences", GetAsync).RequireAuthorization().WithTags("Revision").WithName("GetDifferences");

    private static async Task<Results<Ok<DifferencesView>, ProblemHttpResult>> GetAsync(int id, int? since, RevisionEndpoints.Shelf shelf, Former former, Drafts drafts,
        ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var others = await former.AllAsync(revision, me);
        var against = since is { } wanted ? others.FirstOrDefault(o => o.Id == wanted) : Former.LastIn(others, id);
        if (against is null) return since is null ? TypedResults.Ok(new DifferencesView(null, others, [], [], [])) : Problems.NotThere("The revision to compare with");
        if (await drafts.OpenAsync(against.Id) is not { } earlier) return Problems.NotThere("The revision to compare with");
        var differences = Differences.Between(earlier.Now.Walks.As(null), draft.Now.Walks.As(null), against.Letter);
        if (BlindReading.Is(draft, me)) differences = Former.Hidden(differences, draft, earlier);
        var words = new WordMarks();
        return TypedResults.Ok(new DifferencesView(against, others, differences.Lines,
            [.. differences.Steps.Select(d => new StepBothView(d.Id, d.Before, d.After, d.Moved, words.Of(d.Was, d.Now)))], [.. differences.Summary]));
    }
}

/// <summary>Finds what a revision is held against: the others of its procedure that the one who asks may see.</summary>
public sealed class Former(WornPathDb db)
{
    /// <summary>The other revisions, the latest first. What was released once may be seen by all who see the one that took its place.</summary>
    public Task<List<RevisionEndpoints.SiblingView>> AllAsync(Revision revision, ClaimsPrincipal me)
    {
        var seesDrafts = me.SeesDrafts();
        return db.Revisions.AsNoTracking()
            .Where(r => r.ProcedureId == revision.ProcedureId && r.Id != revision.Id
                && (seesDrafts || r.State == RevisionState.Released || r.State == RevisionState.Superseded))
            .OrderByDescending(r => r.Id).Select(r => new RevisionEndpoints.SiblingView(r.Id, r.Letter, r.State)).ToListAsync();
    }

    /// <summary>The last one before a revision that people worked from; null where it is the first.</summary>
    public static RevisionEndpoints.SiblingView? LastIn(IEnumerable<RevisionEndpoints.SiblingView> others, int id) =>
        others.FirstOrDefault(o => o.Id < id && o.State is RevisionState.Released or RevisionState.Superseded or RevisionState.Withdrawn);

    /// <summary>What differs from the last revision people worked from, walked as the later one is; nulls where it is the first.</summary>
    public async Task<(RevisionEndpoints.SiblingView? Before, Differences? Differences)> SinceAsync(Revision revision, Draft draft, Walk walk, Drafts drafts, ClaimsPrincipal me)
    {
        if (LastIn(await AllAsync(revision, me), revision.Id) is not { } before || await drafts.OpenAsync(before.Id) is not { } earlier) return (null, null);
        var differences = Differences.Between(earlier.Now.Walks.As(walk.Combination.Key), walk, before.Letter);
        return (before, BlindReading.Is(draft, me) ? Hidden(differences, draft, earlier) : differences);
    }

    /// <summary>
    /// The same without the values of either, which whoever reads values blind is not to see. Before the words are marked: a value that is cut
    /// into words is none any more.
    /// </summary>
    public static Differences Hidden(Differences differences, Draft draft, Draft earlier)
    {
        Regex? now = Blind.Besides(draft.Now.Sheet), was = Blind.Besides(earlier.Now.Sheet);
        string Hide(string text) => Blind.Hide(Blind.Hide(text, now), was);
        return differences with
        {
            Lines = [.. differences.Lines.Select(l => l with { Says = Hide(l.Says) })],
            Steps = [.. differences.Steps.Select(s => s with { Was = Hide(s.Was), Now = Hide(s.Now) })],
        };
    }
}
