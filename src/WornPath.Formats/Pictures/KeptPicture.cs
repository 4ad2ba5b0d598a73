using System.Security.Cryptography;
using WornPath.Core;
using WornPath.Core.Sheets;

namespace WornPath.Formats.Pictures;

/// <summary>A picture as it is kept: cleaned, upright, named by its content.</summary>
/// <param name="Picture">What a figure says of it.</param>
/// <param name="Bytes">What is kept.</param>
/// <param name="LeftOut">What was in it and is not kept, and matters: words for the author.</param>
public sealed record KeptPicture(FigurePicture Picture, byte[] Bytes, IReadOnlyList<string> LeftOut)
{
    /// <summary>The largest file that is taken, in bytes.</summary>
    public const int LargestFile = 20 * 1024 * 1024;

    /// <summary>
    /// Takes a picture from elsewhere: PNG, JPEG and WebP are decoded and encoded anew, turned upright, made no larger than is printed; an
    /// SVG keeps what draws and nothing else. What it is, its bytes say, not its name.
    /// </summary>
    public static Outcome<KeptPicture> Take(byte[] bytes) => Take(bytes, PaintedPicture.MostDots);

    private static Outcome<KeptPicture> Take(byte[] bytes, long mostDots)
    {
        if (bytes.Length == 0) return new Problem("The picture is empty.", "Choose it again.");
        if (bytes.Length > LargestFile) return new Problem($"The picture has {bytes.Length / 1024 / 1024:N0} MB.",
            $"At most {LargestFile / 1024 / 1024} MB are taken: save it smaller.");
        return DrawingText.Looks(bytes) ? DrawingText.Clean(bytes) : PaintedPicture.Encode(bytes, mostDots);
    }

    /// <summary>Takes a picture that says it was kept before: byte for byte where it was, like any other where it was not.</summary>
    public static Outcome<KeptPicture> TakeBack(string key, byte[] bytes)
    {
        if (FigurePicture.IsKey(key) && KeyOf(bytes, key[^4..]) == key && bytes.Length <= LargestFile)
        {
            if (key.EndsWith(".svg", StringComparison.Ordinal))
            {
                if (DrawingText.Clean(bytes) is { IsGood: true, Value: var same } && same.Bytes.AsSpan().SequenceEqual(bytes)) return same;
            }
            else if (PaintedPicture.KeptSize(bytes, key[^4..]) is { } size)
            {
                return new KeptPicture(new FigurePicture(key, size.Width, size.Height), bytes, []);
            }
        }

        // What was never larger than is kept is not decoded as if it had been: a file may hold hundreds.
        return Take(bytes, (long)FigurePicture.LargestSide * FigurePicture.LargestSide);
    }

    /// <summary>A drawing that was kept, with other words in place of those that stand in it.</summary>
    public static byte[] WithWords(byte[] drawing, Func<string, string> words) => DrawingText.WithWords(drawing, words);

    /// <summary>The name of a picture: the SHA-256 of its bytes, and its ending.</summary>
    public static string KeyOf(byte[] bytes, string ending) => Convert.ToHexStringLower(SHA256.HashData(bytes)) + ending;

    /// <summary>What the web calls a picture of a key.</summary>
    public static string MediaTypeOf(string key) => key[^4..] switch
    {
        ".png" => "image/png",
        ".jpg" => "image/jpeg",
        _ => "image/svg+xml",
    };
}
