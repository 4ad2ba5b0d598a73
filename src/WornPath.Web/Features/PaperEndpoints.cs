using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using WornPath.Core;
using WornPath.Formats.Out;
using WornPath.Store.Entities;
using WornPath.Web.Drafting;
using WornPath.Web.Paper;

namespace WornPath.Web.Features;

/// <summary>The Print page as a PDF, by the server's own browser: asked for, waited for, fetched.</summary>
public static class PaperEndpoints
{
    /// <summary>Whether PDFs can be made here.</summary>
    /// <param name="Can">True where a browser that prints was found at start.</param>
    public sealed record PaperStanding(bool Can);

    // What the Print page knows.
    private static readonly string[] Sizes = ["A4", "Letter"];
    private static readonly string[] Layouts = ["sheet", "card"];

    public static void MapPaper(this IEndpointRouteBuilder api)
    {
        api.MapGet("/paper", (PaperQueue queue) =>
            TypedResults.Ok(new PaperStanding(queue.Can))).RequireAuthorization().WithTags("Revision").WithName("GetPaper");
        // What the page shows is hidden where it is to be read blind, in the PDF as on the screen.
        api.MapPost("/revisions/{id:int}/pdf",
            AskAsync).RequireAuthorization().WithTags("Revision").WithName("AskPdf").WithMetadata(new BlindWay(BlindWay.Kind.AsItIs));
        api.MapGet("/pdf/{ticket:guid}", Find).RequireAuthorization().WithTags("Revision").WithName("GetPdf");
        api.MapGet("/pdf/{ticket:guid}/file", Take).RequireAuthorization().WithTags("Revision").WithName("TakePdf").Produces<byte[]>(200, "application/pdf");
    }

    private static async Task<Results<Ok<PaperTicket>, ProblemHttpResult>> AskAsync(int id, string paper, string? layout,
        [FromQuery(Name = "as")] string? walkAs, HttpRequest request,
        RevisionEndpoints.Shelf shelf, PaperQueue queue, Holders holders, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision) return Problems.NotThere("This revision");
        if (!Sizes.Contains(paper)) return new Problem($"“{paper}” is no paper.", $"Choose {string.Join(" or ", Sizes)}.").ToHttp();
        if (layout is not null && !Layouts.Contains(layout)) return new Problem($"“{layout}” is nothing that prints.",
            $"Choose {string.Join(" or ", Layouts)}.").ToHttp();
        var page = $"/r/{id}/print?paper={paper}&layout={layout ?? Layouts[0]}{(string.IsNullOrEmpty(walkAs) ? "" : "&as=" + Uri.EscapeDataString(walkAs))}";
        var name = string.Join('-', new[] { revision.Procedure.Number, revision.Letter, walkAs, layout == "card" ? layout : null }.Where(part => !string.IsNullOrEmpty(part)));
        var asked = queue.Ask(me.Id(), page, $"{ExportFormat.NameOf(name)}.pdf", request);
        if (!asked.IsGood) return Problems.Refused(asked.Problem);
        await holders.NoteAsync(revision, me.Id(), HoldingKind.Printed);
        return TypedResults.Ok(asked.Value);
    }

    private static Results<Ok<PaperTicket>, ProblemHttpResult> Find(Guid ticket, PaperQueue queue, ClaimsPrincipal me) =>
        queue.Find(ticket, me.Id()) is { } found ? TypedResults.Ok(found) : Problems.NotThere("This PDF");

    private static Results<FileContentHttpResult, ProblemHttpResult> Take(Guid ticket, PaperQueue queue, ClaimsPrincipal me) =>
        queue.Take(ticket, me.Id()) is { } pdf && queue.Find(ticket, me.Id()) is { } found ? TypedResults.File(pdf, "application/pdf", found.Name)
            : Problems.NotThere("This PDF");
}
