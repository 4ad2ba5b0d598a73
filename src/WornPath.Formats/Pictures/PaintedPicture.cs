using SkiaSharp;
using WornPath.Core;
using WornPath.Core.Sheets;

namespace WornPath.Formats.Pictures;

/// <summary>Photographs and other pictures of dots.</summary>
internal static class PaintedPicture
{
    /// <summary>The most dots that are decoded: four bytes each in memory, once as they come and once as they are kept.</summary>
    public const long MostDots = 50_000_000;

    private const int JpegQuality = 88;

    // A picture without see-through parts that takes more than this as PNG is a photograph, and is kept as one.
    private const int LargestPng = 1_500_000;

    private const string SaveAs = "Save it as JPEG, PNG or SVG and choose it again.";

    /// <summary>Decodes a picture and encodes it anew: nothing of the file but its dots is kept.</summary>
    public static Outcome<KeptPicture> Encode(byte[] bytes, long mostDots)
    {
        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        if (codec is null) return new Problem(IsFromPhone(bytes)
            ? "The picture is a HEIC file, as phones make them." : "The file is no picture that can be read.", SaveAs);
        if (codec.EncodedFormat is not (SKEncodedImageFormat.Png or SKEncodedImageFormat.Jpeg or SKEncodedImageFormat.Webp))
            return new Problem($"The picture is a {codec.EncodedFormat.ToString().ToUpperInvariant()} file.", SaveAs);
        var (width, height) = (codec.Info.Width, codec.Info.Height);
        if ((long)width * height > mostDots)
            return new Problem($"The picture has {width:N0} × {height:N0} dots.", $"At most {mostDots / 1_000_000} million are taken here: make it smaller.");
        using var decoded = Decode(codec);
        if (decoded is null) return new Problem("The picture is broken off or damaged.", "Get it again from where it came.");
        using var upright = Upright(decoded, codec.EncodedOrigin);
        var isOpaque = upright.Info.IsOpaque || IsOpaque(upright);
        var isPhotograph = codec.EncodedFormat == SKEncodedImageFormat.Jpeg || (codec.EncodedFormat == SKEncodedImageFormat.Webp && isOpaque);
        var kept = isPhotograph ? Jpeg(upright) : Encoded(upright, SKEncodedImageFormat.Png, 100);
        if (!isPhotograph && isOpaque && kept.Length > LargestPng && Jpeg(upright) is var smaller && smaller.Length < kept.Length / 2)
            (kept, isPhotograph) = (smaller, true);
        return new KeptPicture(new FigurePicture(KeptPicture.KeyOf(kept, isPhotograph ? ".jpg" : ".png"), upright.Width, upright.Height), kept, []);
    }

    /// <summary>The size of a picture that is as this program keeps it: of its kind, upright, whole, without anything beside its dots; null where it is not.</summary>
    public static SKSizeI? KeptSize(byte[] bytes, string ending)
    {
        if (!(ending == ".png" ? IsBarePng(bytes) : IsBareJpeg(bytes))) return null;
        using var data = SKData.CreateCopy(bytes);
        using var codec = SKCodec.Create(data);
        if (codec is null || codec.EncodedOrigin != SKEncodedOrigin.TopLeft || Math.Max(codec.Info.Width,
            codec.Info.Height) > FigurePicture.LargestSide) return null;
        using var decoded = Decode(codec);
        return decoded is null ? null : new SKSizeI(decoded.Width, decoded.Height);
    }

    /// <summary>A drawing that was cleaned, painted on white: for what cannot show drawings. PNG.</summary>
    public static byte[] Of(FigurePicture picture, byte[] drawing)
    {
        using var svg = new Svg.Skia.SKSvg();
        using var stream = new MemoryStream(drawing);
        svg.Load(stream);
        using var bitmap = new SKBitmap(picture.Width, picture.Height, SKColorType.Rgba8888, SKAlphaType.Opaque);
        using var canvas = new SKCanvas(bitmap);
        canvas.Clear(SKColors.White);
        if (svg.Picture is { CullRect: { Width: > 0, Height: > 0 } size })
        {
            canvas.Scale(picture.Width / size.Width, picture.Height / size.Height);
            canvas.Translate(-size.Left, -size.Top);
            canvas.DrawPicture(svg.Picture);
        }

        return Encoded(bitmap, SKEncodedImageFormat.Png, 100);
    }

    private static byte[] Jpeg(SKBitmap bitmap) => Encoded(bitmap, SKEncodedImageFormat.Jpeg, JpegQuality);

    // Its colours are sRGB, which is what is meant where a file says nothing: no profile goes along.
    private static byte[] Encoded(SKBitmap bitmap, SKEncodedImageFormat format, int quality)
    {
        using var dots = new SKPixmap(new SKImageInfo(bitmap.Width, bitmap.Height, bitmap.ColorType, bitmap.AlphaType), bitmap.GetPixels(), bitmap.RowBytes);
        using var encoded = dots.Encode(format, quality)!;
        return encoded.ToArray();
    }

    // Decoded at once near the size it is kept in, where its kind can be; null where it is not whole.
    private static SKBitmap? Decode(SKCodec codec)
    {
        var largest = Math.Max(codec.Info.Width, codec.Info.Height);
        var scale = Math.Min(1f, (float)FigurePicture.LargestSide / largest);
        var near = scale < 1 ? codec.GetScaledDimensions(scale) : codec.Info.Size;
        // A decoder's nearest may be smaller than wanted: then the whole is decoded and made smaller.
        if (scale < 1 && Math.Max(near.Width, near.Height) < FigurePicture.LargestSide) near = codec.Info.Size;
        var alpha = codec.Info.AlphaType == SKAlphaType.Opaque ? SKAlphaType.Opaque : SKAlphaType.Unpremul;
        using var colours = SKColorSpace.CreateSrgb();
        var bitmap = new SKBitmap(new SKImageInfo(near.Width, near.Height, SKColorType.Rgba8888, alpha, colours));
        if (codec.GetPixels(bitmap.Info, bitmap.GetPixels()) != SKCodecResult.Success)
        {
            bitmap.Dispose();
            return null;
        }

        if (Math.Max(near.Width, near.Height) <= FigurePicture.LargestSide) return bitmap;
        using (bitmap)
        {
            var to = new SKSizeI(Math.Max(1, (int)MathF.Round(codec.Info.Width * scale)), Math.Max(1, (int)MathF.Round(codec.Info.Height * scale)));
            return bitmap.Resize(bitmap.Info.WithSize(to), new SKSamplingOptions(SKFilterMode.Linear, SKMipmapMode.Linear));
        }
    }

    // As the camera was held (EXIF 2.32, orientation 1 to 8).
    private static SKBitmap Upright(SKBitmap bitmap, SKEncodedOrigin origin)
    {
        if (origin is SKEncodedOrigin.TopLeft or SKEncodedOrigin.Default) return bitmap;
        var (w, h) = (bitmap.Width, bitmap.Height);
        var isTurned = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var upright = new SKBitmap(isTurned ? bitmap.Info.WithSize(h, w) : bitmap.Info);
        using var canvas = new SKCanvas(upright);
        // From where a dot lies in the file to where it lies upright.
        canvas.SetMatrix(origin switch
        {
            SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, w, 0, 1, 0, 0, 0, 1),
            SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, w, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, h, 0, 0, 1),
            SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightTop => new SKMatrix(0, -1, h, 1, 0, 0, 0, 0, 1),
            SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, h, -1, 0, w, 0, 0, 1),
            _ => new SKMatrix(0, 1, 0, -1, 0, w, 0, 0, 1),
        });
        using var image = SKImage.FromBitmap(bitmap);
        canvas.DrawImage(image, 0, 0, new SKSamplingOptions(SKFilterMode.Nearest));
        return upright;
    }

    private static bool IsOpaque(SKBitmap bitmap)
    {
        var dots = bitmap.GetPixelSpan();
        for (var i = 3; i < dots.Length; i += 4)
            if (dots[i] != byte.MaxValue) return false;
        return true;
    }

    private static bool IsFromPhone(ReadOnlySpan<byte> bytes) => bytes.Length > 12 && bytes[4..8].SequenceEqual("ftyp"u8);

    // Chunks of a PNG that are its dots, or say how they are shown (ISO/IEC 15948, 11).
    private static bool IsBarePng(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length < 8 || !bytes[..8].SequenceEqual((ReadOnlySpan<byte>)[0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A])) return false;
        var at = 8;
        while (at + 12 <= bytes.Length)
        {
            var length = System.Buffers.Binary.BinaryPrimitives.ReadUInt32BigEndian(bytes[at..]);
            if (length > bytes.Length - at - 12) return false;
            var kind = System.Text.Encoding.ASCII.GetString(bytes.Slice(at + 4, 4));
            if (kind is not ("IHDR" or "PLTE" or "tRNS" or "IDAT" or "IEND" or "sRGB" or "gAMA" or "cHRM" or "sBIT")) return false;
            at += (int)length + 12;
            if (kind == "IEND") return at == bytes.Length;
        }

        return false;
    }

    // Segments of a JPEG that are its dots, or say how they are shown (ITU-T T.81, B.1; JFIF 1.02).
    private static bool IsBareJpeg(ReadOnlySpan<byte> bytes)
    {
        if (bytes.Length < 4 || bytes[0] != 0xFF || bytes[1] != 0xD8) return false;
        var at = 2;
        while (at + 4 <= bytes.Length)
        {
            if (bytes[at] != 0xFF) return false;
            var marker = bytes[at + 1];
            if (marker is not (0xE0 or 0xDB or 0xC0 or 0xC1 or 0xC2 or 0xC4 or 0xDD or 0xDA)) return false;
            at += 2 + System.Buffers.Binary.BinaryPrimitives.ReadUInt16BigEndian(bytes[(at + 2)..]);
            if (marker != 0xDA) continue;
            // The dots themselves: to the next marker that is none of them.
            while (at + 1 < bytes.Length && !(bytes[at] == 0xFF && bytes[at + 1] is not (0 or (>= 0xD0 and <= 0xD7)))) at++;
            if (at + 1 < bytes.Length && bytes[at + 1] == 0xD9) return at + 2 == bytes.Length;
        }

        return false;
    }
}
