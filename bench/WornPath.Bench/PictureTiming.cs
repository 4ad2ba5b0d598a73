using SkiaSharp;
using WornPath.Formats.Pictures;

namespace WornPath.Bench;

/// <summary>A photograph of twelve million dots, taken in, beside bare decoding and encoding of it by the same library.</summary>
internal static class PictureTiming
{
    public static (double Taken, double Bare) Run(SKEncodedImageFormat format)
    {
        var photo = Photo(format);
        var kept = 0L;
        var times = Measure.InTurn(9, () => kept += KeptPicture.Take(photo).Value.Bytes.Length, () =>
        {
            using var bitmap = SKBitmap.Decode(photo);
            using var encoded = bitmap.Encode(format, 88);
            kept += encoded.Size;
        });
        GC.KeepAlive(kept);
        return times;
    }

    // Slopes and some noise: about what a camera sees.
    private static byte[] Photo(SKEncodedImageFormat format)
    {
        using var bitmap = new SKBitmap(4000, 3000, SKColorType.Rgba8888, SKAlphaType.Opaque);
        var noise = new Random(7);
        var dots = bitmap.GetPixelSpan();
        for (var y = 0; y < 3000; y++)
            for (var x = 0; x < 4000; x++)
            {
                var at = ((y * 4000) + x) * 4;
                var grain = noise.Next(12);
                (dots[at], dots[at + 1], dots[at + 2], dots[at + 3]) = ((byte)((x / 20) + grain), (byte)((y / 15) + grain),
                    (byte)(((x + y) / 35) + grain), byte.MaxValue);
            }

        return bitmap.Encode(format, 92).ToArray();
    }
}
