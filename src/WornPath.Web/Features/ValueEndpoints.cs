using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Revisions;
using WornPath.Web.Access;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The values of a sheet, read a second time from their sources. The author's entry is not sent to who reads.</summary>
public static class ValueEndpoints
{
    /// <summary>What a second person has read.</summary>
    public sealed record ReadingView(string Who, DateTime At, string Read, bool Agrees);

    /// <summary>A value to be read: what it is of and where it stands, not what it is.</summary>
    /// <param name="Seal">How a reading names it.</param>
    /// <param name="Id">Id of the joint, the fluid or the step it is of.</param>
    /// <param name="Tag">What tells which one: "J3", "step 12".</param>
    /// <param name="Name">The name of what it is of.</param>
    /// <param name="About">The pass, the fastener, the variants it is for; what else is known of it.</param>
    /// <param name="Source">Where it is read.</param>
    /// <param name="Page">The page of that source, where the workshop keeps it.</param>
    /// <param name="Standing">How it stands.</param>
    /// <param name="Readings">What was read for it so far, oldest first; what others read is hidden while a value is still to be read.</param>
    /// <param name="WantsReason">True where the one who asks has read another value last: again with a reason only.</param>
    public sealed record ValueView(string Seal, string Id, string Tag, string Name, string About, string Source, FigurePicture? Page, ValueStanding Standing, ImmutableArray<ReadingView> Readings, bool WantsReason);

    /// <summary>A value as read; with the reason for it where the same person has read another one last.</summary>
    public sealed record ReadingForm([property: Required, StringLength(64, MinimumLength = 8)] string Seal, [property: Required, MaxLength(200)] string Read, [property: MaxLength(500)] string? Reason = null);

    public static void MapValues(this IEndpointRouteBuilder api)
    {
        var values = api.MapGroup("/revisions/{id:int}/values").WithTags("Revision").RequireAuthorization().WithMetadata(new BlindWay(BlindWay.Kind.AsItIs));
        values.MapGet("", GetAsync).WithName("GetValues");
        values.MapPost("", PostAsync).RequireAuthorization(Policies.Reviewer).WithName("ReadValue");
    }

    private static async Task<Results<Ok<ImmutableArray<ValueView>>, ProblemHttpResult>> GetAsync(int id, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        return TypedResults.Ok(View(draft, me));
    }

    private static async Task<Results<Ok<ImmutableArray<ValueView>>, ProblemHttpResult>> PostAsync(int id, ReadingForm form, RevisionEndpoints.Shelf shelf, Procedures procedures, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        return await procedures.CheckAsync(revision, me.Id(), form.Seal, form.Read, form.Reason) is { } problem ? Problems.Refused(problem) : TypedResults.Ok(View((await drafts.OpenAsync(id))!, me));
    }

    private static ImmutableArray<ValueView> View(Draft draft, ClaimsPrincipal me)
    {
        var now = draft.Now;
        var pages = me.SeesDrafts() ? now.Walks.Workshop.Pages : [];
        var blind = BlindReading.Is(draft, me);
        var mine = me.FindFirstValue(PersonClaims.DisplayName) + " (";
        return
        [
            .. StatedValue.All(now.Sheet).Select(v => new ValueView(v.Seal, v.Id, v.Tag, v.Name, v.About, v.Source,
                SourcePage.For(pages, v.Source)?.Picture,
                now.Reviewed.Checks.Last(v).Standing(),
                [.. now.Reviewed.Checks.Where(c => c.Seal == v.Seal || c.Seal == v.FormerSeal).Select(c => new ReadingView(c.Who, c.At, blind && !c.Who.StartsWith(mine, StringComparison.Ordinal) ? Blind.Hidden : c.Read.ToString(), c.Agrees))],
                now.Reviewed.Checks.Last(v) is { Agrees: false } last && last.Who.StartsWith(mine, StringComparison.Ordinal))),
        ];
    }
}
