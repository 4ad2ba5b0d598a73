using WornPath.Core;
using WornPath.Core.Sheets;
using WornPath.Formats.Pictures;
using WornPath.Store;

namespace WornPath.Web.Features;

/// <summary>Pictures in and out over the wire, whatever they are of.</summary>
internal static class TakenPicture
{
    /// <summary>The most bytes a request with a picture has.</summary>
    public const int LargestRequest = KeptPicture.LargestFile + 1024;

    // A decoded picture takes much memory: no more than two at once, the others wait.
    private static readonly SemaphoreSlim Room = new(2);

    /// <summary>The picture a request brings, cleaned and kept; with what was in it and is not kept, in words.</summary>
    public static async Task<Outcome<(FigurePicture Picture, IReadOnlyList<string> LeftOut)>> KeepAsync(HttpRequest request, PictureFiles files,
        CancellationToken cancel)
    {
        if (request.ContentLength > KeptPicture.LargestFile)
            return new Problem("The picture is too large.", $"At most {KeptPicture.LargestFile / 1024 / 1024} MB are taken: save it smaller.");
        using var buffer = new MemoryStream();
        await request.Body.CopyToAsync(buffer, cancel);
        await Room.WaitAsync(cancel);
        try
        {
            var taken = KeptPicture.Take(buffer.ToArray());
            if (!taken.IsGood) return taken.Problem;
            files.Keep(taken.Value.Picture.Key, taken.Value.Bytes);
            return (taken.Value.Picture, taken.Value.LeftOut);
        }
        finally
        {
            Room.Release();
        }
    }

    /// <summary>A drawing that is opened by itself runs nothing and asks for nothing.</summary>
    public static void Confine(HttpResponse response) =>
        response.Headers.ContentSecurityPolicy = "default-src 'none'; style-src 'unsafe-inline'; sandbox";

    /// <summary>The name of a picture is its content: it never changes.</summary>
    public static void KeepLong(HttpResponse response) => response.Headers.CacheControl = "private, max-age=31536000, immutable";
}
