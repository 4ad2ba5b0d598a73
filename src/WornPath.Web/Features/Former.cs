using System.Security.Claims;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Core.Walking;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

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
        others.FirstOrDefault(o => o.Id < id && LifeCycle.WorkedFrom.Contains(o.State));

    /// <summary>Why a revision changes what was released before, as it was said when it was sent; empty where nobody said it.</summary>
    public static string WhyIn(IEnumerable<RevisionEndpoints.EventView> events) =>
        events.LastOrDefault(e => e.Kind == ReviewEventKind.Sent && e.Text.Length > 0)?.Text ?? "";

    /// <summary>What differs from the last revision people worked from, walked as the later one is; nulls where it is the first.</summary>
    public async Task<(RevisionEndpoints.SiblingView? Before, Differences? Differences)> SinceAsync(Revision revision, Draft draft, Walk walk,
        Drafts drafts, ClaimsPrincipal me)
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
