using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using WornPath.Core;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Formats;
using WornPath.Formats.Pictures;
using WornPath.Store;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The pictures of a revision's figures: in, and out to who sees the revision.</summary>
public static class PictureEndpoints
{
    /// <summary>A picture that was taken in.</summary>
    /// <param name="Picture">What a figure says of it.</param>
    /// <param name="LeftOut">What was in it and is not kept, in words.</param>
    public sealed record PictureView(FigurePicture Picture, IReadOnlyList<string> LeftOut);

    public static void MapPictures(this IEndpointRouteBuilder api)
    {
        var pictures = api.MapGroup("/revisions/{id:int}/pictures").RequireAuthorization().WithTags("Figures");
        pictures.MapPost("/", PutAsync).RequireAuthorization(Policies.Author).WithName("PutPicture")
            .Accepts<byte[]>("application/octet-stream").WithMetadata(new RequestSizeLimitAttribute(TakenPicture.LargestRequest))
            .WithMetadata(new BlindWay(BlindWay.Kind.AsItIs));
        // It hides by itself what words in a drawing tell; what is photographed is part of what is reviewed, and cannot be hidden.
        pictures.MapGet("/{key}", GetAsync).WithName("GetPicture").Produces<string>(200, "image/png").WithMetadata(new BlindWay(BlindWay.Kind.AsItIs));
    }

    private static async Task<Results<Ok<PictureView>, ProblemHttpResult>> PutAsync(int id, HttpRequest request, Drafts drafts, PictureFiles files,
        ClaimsPrincipal me, CancellationToken cancel)
    {
        if (await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if ((LifeCycle.Edit(draft.State) ?? draft.Authorship.Write(me.Id())) is { } closed) return Problems.Refused(closed);
        var taken = await TakenPicture.KeepAsync(request, files, cancel);
        return taken.IsGood ? TypedResults.Ok(new PictureView(taken.Value.Picture, taken.Value.LeftOut)) : taken.Problem.ToHttp();
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> GetAsync(int id, string key, HttpContext context,
        RevisionEndpoints.Shelf shelf, Drafts drafts,
        PictureFiles files, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        // Who writes on it sees what she has just put in, too, and what an undo brings back.
        var isHers = me.IsInRole(Roles.Author) && draft.Authorship.Write(me.Id()) is null;
        if ((!isHers && !FilePictures.KeysOf(draft.Now.Sheet).Contains(key)) || files.Read(key) is not { } bytes) return Problems.NotThere("This picture");
        TakenPicture.Confine(context.Response);
        if (BlindReading.Is(draft, me) && key.EndsWith(".svg", StringComparison.Ordinal))
        {
            var besides = Blind.Besides(draft.Now.Sheet);
            return TypedResults.File(KeptPicture.WithWords(bytes, words => Blind.Hide(words, besides)), KeptPicture.MediaTypeOf(key));
        }

        TakenPicture.KeepLong(context.Response);
        return TypedResults.File(bytes, KeptPicture.MediaTypeOf(key));
    }
}
