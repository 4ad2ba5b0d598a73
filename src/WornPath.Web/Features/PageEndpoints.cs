using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using WornPath.Core;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Formats.Pictures;
using WornPath.Store;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>Pages of source documents, kept as pictures where the workshop may: what a value is read from a second time.</summary>
public static class PageEndpoints
{
    /// <summary>The pages that are kept, and what was in the last picture and is not kept, in words.</summary>
    public sealed record PagesView(IReadOnlyList<SourcePage> Pages, IReadOnlyList<string> LeftOut);

    /// <summary>Which page.</summary>
    /// <param name="Source">Document, edition and page, as a value cites them.</param>
    public sealed record PageQuery([property: FromQuery(Name = "source"), Required, MaxLength(300)] string Source);

    public static void MapPages(this IEndpointRouteBuilder api)
    {
        var pages = api.MapGroup("/workshop/pages").WithTags("Workshop").RequireAuthorization();
        pages.MapGet("", async (WorkshopBook book) => TypedResults.Ok(new PagesView((await book.NowAsync()).Workshop.Pages, [])))
            .RequireAuthorization(Policies.Workshop).WithName("ListPages");
        // Whoever writes has the page before her; whoever writes or keeps the workshop takes one out.
        pages.MapPost("", PutAsync).RequireAuthorization(Policies.Teacher).WithName("PutPage").Accepts<byte[]>("application/octet-stream")
            .WithMetadata(new RequestSizeLimitAttribute(TakenPicture.LargestRequest));
        pages.MapDelete("", async ([AsParameters] PageQuery query, WorkshopBook book, ClaimsPrincipal me) =>
            await WriteAsync(book, me, w => w with { Pages = SourcePage.Without(w.Pages, query.Source) }, []))
            .RequireAuthorization(Policies.Teacher).WithName("TakePageOut");
        pages.MapGet("/{key}", GetAsync).RequireAuthorization(Policies.Workshop).WithName("GetPage").Produces<string>(200, "image/png");
    }

    private static async Task<Results<Ok<PagesView>, ProblemHttpResult>> PutAsync([AsParameters] PageQuery query, HttpRequest request, WorkshopBook book,
        PictureFiles files, ClaimsPrincipal me, CancellationToken cancel)
    {
        // Before anything is taken in: a picture nobody can find again is not kept.
        var workshop = (await book.NowAsync()).Workshop;
        var page = SourcePage.Check(query.Source, new FigurePicture("", 0, 0), workshop.Documents);
        if (!page.IsGood) return page.Problem.ToHttp();
        if (SourcePage.With(workshop.Pages, page.Value).Length > SourcePage.Most)
            return new Problem($"{SourcePage.Most} pages are as many as a workshop keeps.", "Take some out that no value cites any more.").ToHttp();
        var taken = await TakenPicture.KeepAsync(request, files, cancel);
        if (!taken.IsGood) return taken.Problem.ToHttp();
        return await WriteAsync(book, me,
            w => w with { Pages = SourcePage.With(w.Pages, page.Value with { Picture = taken.Value.Picture }) }, taken.Value.LeftOut);
    }

    private static async Task<Results<Ok<PagesView>, ProblemHttpResult>> WriteAsync(WorkshopBook book, ClaimsPrincipal me, Func<Workshop, Workshop> change,
        IReadOnlyList<string> leftOut) =>
        await book.AddAsync(change, me.Id()) is { } problem ? Problems.Refused(problem)
            : TypedResults.Ok(new PagesView((await book.NowAsync()).Workshop.Pages, leftOut));

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> GetAsync(string key, HttpResponse response, WorkshopBook book,
        PictureFiles files)
    {
        if (!(await book.NowAsync()).Workshop.Pages.Any(p => p.Picture.Key == key) || files.Read(key) is not { } bytes) return Problems.NotThere("This page");
        TakenPicture.Confine(response);
        TakenPicture.KeepLong(response);
        return TypedResults.File(bytes, KeptPicture.MediaTypeOf(key));
    }
}
