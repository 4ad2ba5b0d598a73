using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using WornPath.Core.Building;
using WornPath.Core.Printing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Store.Entities;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The sheet as it prints.</summary>
public static class PrintEndpoints
{
    /// <summary>A step as printed, its text as safe HTML.</summary>
    /// <param name="Tightens">The joints that are brought to a value here, with what the wrench is set to.</param>
    public sealed record PrintedStepView(int Number, string Html, ImmutableArray<Caution> Cautions, int? People, ImmutableArray<PrintedTightening> Tightens);

    /// <summary>A phase as printed.</summary>
    public sealed record PrintedPhaseView(string Name, ImmutableArray<PrintedStepView> Steps, ImmutableArray<OwedTorque> Owed);

    /// <summary>The printed sheet: what to have in hand, steps with their cautions, the torque table.</summary>
    /// <param name="VerifiedBy">Who read all values from their sources a second time; empty where one is still to be read, or there is none.</param>
    public sealed record PrintView(string Number, string Title, string Platform, string Letter, RevisionState State, string Author, string? ReleasedBy, DateTime? ReleasedAt,
        SheetHeader Header, ImmutableArray<PrintedItem> Parts, ImmutableArray<ToolLine> Tools, ImmutableArray<PrintedItem> Consumables, ImmutableArray<PrintedPhaseView> Phases, ImmutableArray<PrintedTorque> Torques, ImmutableArray<PrintedPattern> Patterns, ImmutableArray<string> Practice, string As, string VerifiedBy, string NotJudged);

    public static void MapPrint(this IEndpointRouteBuilder api) =>
        api.MapGet("/revisions/{id:int}/print", GetAsync).RequireAuthorization().WithTags("Revision").WithName("GetPrint");

    private static async Task<Results<Ok<PrintView>, ProblemHttpResult>> GetAsync(int id, [FromQuery(Name = "as")] string? walkAs, RevisionEndpoints.Shelf shelf, Drafts drafts, MarkdownHtml html, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var walk = draft.Now.Walks.As(walkAs);
        var sheet = PrintedSheet.Of(walk);
        var released = (await shelf.EventsAsync(id)).LastOrDefault(e => e.Kind == ReviewEventKind.Released);
        return TypedResults.Ok(new PrintView(
            revision.Procedure.Number, revision.Procedure.Title, revision.Procedure.Platform, revision.Letter, revision.State, revision.Author.DisplayName, released?.Who, released?.At,
            sheet.Header, sheet.Parts, sheet.Tools, sheet.Consumables,
            [.. sheet.Phases.Select(p => new PrintedPhaseView(p.Name, [.. p.Steps.Select(s => new PrintedStepView(s.Number, html.Of(s.Text), s.Cautions, s.People, s.Tightens))], p.Owed))],
            sheet.Torques, sheet.Patterns, sheet.Practice, draft.Now.Sheet.Header.Variants.IsEmpty ? "" : walk.Combination.Says(draft.Now.Sheet), ValueChecks.VerifiedBy(draft.Now.Sheet, draft.Now.Reviewed.Checks, revision.State is RevisionState.Draft or RevisionState.InReview), PrintedSheet.NotJudged));
    }
}
