using System.Buffers.Binary;
using System.IO.Compression;
using System.Text;
using CsCheck;
using SkiaSharp;
using WornPath.Formats.Pictures;

namespace WornPath.Formats.Tests;

/// <summary>
/// Pictures from elsewhere. Files are put together here byte by byte where they have to be wrong, and by the drawing library where they are
/// to be right; that another decoder reads what is kept is tried in the browser (figures.spec).
/// </summary>
public class PictureTests
{
    private static readonly SKColor[] Corners = [SKColors.Red, SKColors.Lime, SKColors.Blue, SKColors.White];

    // Four fields: red and green above, blue and white below; wider than high.
    private static byte[] Fields(SKEncodedImageFormat format, int width = 320, int height = 200, byte alpha = 255)
    {
        using var bitmap = new SKBitmap(width, height, SKColorType.Rgba8888, alpha == 255 ? SKAlphaType.Opaque : SKAlphaType.Unpremul);
        using (var canvas = new SKCanvas(bitmap))
        {
            for (var i = 0; i < 4; i++)
            {
                using var paint = new SKPaint { Color = Corners[i].WithAlpha(alpha), BlendMode = SKBlendMode.Src };
                canvas.DrawRect(i % 2 * width / 2, i / 2 * height / 2, width / 2, height / 2, paint);
            }
        }

        return bitmap.Encode(format, 95).ToArray();
    }

    private static KeptPicture Taken(byte[] bytes)
    {
        var taken = KeptPicture.Take(bytes);
        taken.IsGood.ShouldBeTrue(taken.Problem?.ToString());
        return taken.Value;
    }

    private static string Refused(byte[] bytes)
    {
        var problem = KeptPicture.Take(bytes).Problem.ShouldNotBeNull();
        problem.WhatToDo.ShouldNotBeEmpty();
        return problem.What;
    }

    // Which field is seen at each corner, as numbers of Corners.
    private static string Seen(byte[] bytes)
    {
        using var bitmap = SKBitmap.Decode(bytes);
        int At(int x, int y)
        {
            var dot = bitmap.GetPixel(x, y);
            return Array.FindIndex(Corners, c => Math.Abs(c.Red - dot.Red) + Math.Abs(c.Green - dot.Green) + Math.Abs(c.Blue - dot.Blue) < 90);
        }

        return $"{At(9, 9)}{At(bitmap.Width - 9, 9)}{At(9, bitmap.Height - 9)}{At(bitmap.Width - 9, bitmap.Height - 9)}";
    }

    // An APP1 segment with an orientation and a place on earth (EXIF 2.32, tags 0x0112 and 0x8825), behind the beginning of a JPEG.
    private static byte[] WithExif(byte[] jpeg, ushort orientation)
    {
        var exif = new MemoryStream();
        void Put(params byte[] bytes) => exif.Write(bytes);
        void Entry(ushort tag, ushort kind, uint count, uint value)
        {
            var entry = new byte[12];
            BinaryPrimitives.WriteUInt16BigEndian(entry, tag);
            BinaryPrimitives.WriteUInt16BigEndian(entry.AsSpan(2), kind);
            BinaryPrimitives.WriteUInt32BigEndian(entry.AsSpan(4), count);
            BinaryPrimitives.WriteUInt32BigEndian(entry.AsSpan(8), value);
            Put(entry);
        }

        Put("Exif\0\0MM\0*\0\0\0\u0008"u8.ToArray());
        Put(0, 2);
        Entry(0x0112, 3, 1, (uint)orientation << 16);
        Entry(0x8825, 4, 1, 38);
        Put(0, 0, 0, 0);
        Put(0, 1);
        Entry(0x001D, 2, 11, 56);
        Put(0, 0, 0, 0);
        Put("GPSDATUM48.1"u8.ToArray());
        var body = exif.ToArray();
        byte[] head = [0xFF, 0xE1, (byte)((body.Length + 2) >> 8), (byte)(body.Length + 2)];
        return [.. jpeg[..2], .. head, .. body, .. jpeg[2..]];
    }

    /// <summary>EXIF 2.32, orientation: which field of the file is seen at each corner once it is turned upright.</summary>
    [Theory]
    [InlineData(1, "0123", 320)]
    [InlineData(2, "1032", 320)]
    [InlineData(3, "3210", 320)]
    [InlineData(4, "2301", 320)]
    [InlineData(5, "0213", 200)]
    [InlineData(6, "2031", 200)]
    [InlineData(7, "3120", 200)]
    [InlineData(8, "1302", 200)]
    public void A_photograph_stands_upright_and_does_not_say_where_it_was_taken(ushort orientation, string seen, int width)
    {
        var photo = WithExif(Fields(SKEncodedImageFormat.Jpeg), orientation);
        Encoding.Latin1.GetString(photo).ShouldContain("GPSDATUM48.1");
        var taken = Taken(photo);
        taken.Picture.Key.ShouldEndWith(".jpg");
        (taken.Picture.Width, taken.Picture.Height).ShouldBe((width, 520 - width));
        Seen(taken.Bytes).ShouldBe(seen);
        Encoding.Latin1.GetString(taken.Bytes).ShouldNotContain("Exif");
        Encoding.Latin1.GetString(taken.Bytes).ShouldNotContain("GPSDATUM");
        taken.Picture.Key.ShouldBe(Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(taken.Bytes)) + ".jpg");
    }

    [Fact]
    public void Each_kind_is_kept_as_what_serves_it_whatever_its_name_says()
    {
        Taken(Fields(SKEncodedImageFormat.Png)).Picture.Key.ShouldEndWith(".png");
        Taken(Fields(SKEncodedImageFormat.Webp)).Picture.Key.ShouldEndWith(".jpg");
        Taken(Fields(SKEncodedImageFormat.Webp, alpha: 120)).Picture.Key.ShouldEndWith(".png");
        Seen(Taken(Fields(SKEncodedImageFormat.Webp)).Bytes).ShouldBe("0123");
        // What is see-through stays so.
        using var kept = SKBitmap.Decode(Taken(Fields(SKEncodedImageFormat.Png, alpha: 120)).Bytes);
        ((int)kept.GetPixel(9, 9).Alpha).ShouldBeInRange(118, 122);
        // The same dots in the same kind are the same picture.
        Taken(Fields(SKEncodedImageFormat.Png)).Picture.ShouldBe(Taken([.. Fields(SKEncodedImageFormat.Png)]).Picture);
    }

    [Fact]
    public void What_is_larger_than_is_printed_is_made_smaller_in_its_proportions()
    {
        var taken = Taken(Fields(SKEncodedImageFormat.Jpeg, 4800, 3000));
        (taken.Picture.Width, taken.Picture.Height).ShouldBe((2400, 1500));
        Seen(taken.Bytes).ShouldBe("0123");
        var tall = Taken(Fields(SKEncodedImageFormat.Png, 100, 5000));
        (tall.Picture.Width, tall.Picture.Height).ShouldBe((48, 2400));
    }

    // A photograph's noise: what PNG cannot press.
    [Fact]
    public void A_photograph_that_was_saved_as_png_is_kept_as_a_photograph()
    {
        using var bitmap = new SKBitmap(1000, 1000, SKColorType.Rgba8888, SKAlphaType.Opaque);
        var noise = new Random(7);
        for (var y = 0; y < 1000; y++)
            for (var x = 0; x < 1000; x++) bitmap.SetPixel(x, y, new SKColor((byte)noise.Next(90, 170), (byte)noise.Next(90, 170), (byte)noise.Next(90, 170)));
        Taken(bitmap.Encode(SKEncodedImageFormat.Png, 100).ToArray()).Picture.Key.ShouldEndWith(".jpg");
    }

    private static byte[] Chunk(string kind, byte[] body)
    {
        var chunk = new byte[body.Length + 12];
        BinaryPrimitives.WriteInt32BigEndian(chunk, body.Length);
        Encoding.ASCII.GetBytes(kind).CopyTo(chunk, 4);
        body.CopyTo(chunk, 8);
        BinaryPrimitives.WriteUInt32BigEndian(chunk.AsSpan(body.Length + 8), Crc(chunk.AsSpan(4, body.Length + 4)));
        return chunk;
    }

    private static uint Crc(ReadOnlySpan<byte> bytes)
    {
        var crc = uint.MaxValue;
        foreach (var one in bytes)
        {
            crc ^= one;
            for (var k = 0; k < 8; k++) crc = (crc & 1) != 0 ? 0xEDB88320 ^ (crc >> 1) : crc >> 1;
        }

        return ~crc;
    }

    // A grey PNG that is all nought: a few kilobytes for whatever it says it is.
    private static byte[] Bomb(int width, int height, int rows)
    {
        var head = new byte[13];
        BinaryPrimitives.WriteInt32BigEndian(head, width);
        BinaryPrimitives.WriteInt32BigEndian(head.AsSpan(4), height);
        head[8] = 8;
        var packed = new MemoryStream();
        using (var zip = new ZLibStream(packed, CompressionLevel.SmallestSize))
            for (var row = 0; row < rows; row++) zip.Write(new byte[width + 1]);
        return [0x89, .. "PNG\r\n"u8, 0x1A, .. "\n"u8, .. Chunk("IHDR", head), .. Chunk("IDAT", packed.ToArray()), .. Chunk("IEND", [])];
    }

    [Fact]
    public void A_picture_of_forty_thousand_by_forty_thousand_is_refused_before_it_is_decoded()
    {
        var bomb = Bomb(40_000, 40_000, 300);
        bomb.Length.ShouldBeLessThan(100_000);
        var before = GC.GetAllocatedBytesForCurrentThread();
        Refused(bomb).ShouldBe("The picture has 40,000 × 40,000 dots.");
        (GC.GetAllocatedBytesForCurrentThread() - before).ShouldBeLessThan(2_000_000);
        // What fits is taken, so it is not the file that is wrong.
        Taken(Bomb(400, 400, 400)).Picture.Width.ShouldBe(400);
    }

    [Fact]
    public void What_is_no_picture_or_not_whole_is_refused_plainly()
    {
        Refused([]).ShouldBe("The picture is empty.");
        Refused("Take out the bolts."u8.ToArray()).ShouldBe("The file is no picture that can be read.");
        Refused([.. new byte[4], .. "ftypheic"u8, .. new byte[40]]).ShouldBe("The picture is a HEIC file, as phones make them.");
        Refused([.. "GIF89a"u8, 1, 0, 1, 0, 0x80, 0, 0, 0, 0, 0, 255, 255, 255, 0x2C, 0, 0, 0, 0, 1, 0, 1, 0, 0, 2, 2, 0x44, 1, 0, 0x3B])
            .ShouldBe("The picture is a GIF file.");
        foreach (var format in (SKEncodedImageFormat[])[SKEncodedImageFormat.Png, SKEncodedImageFormat.Jpeg, SKEncodedImageFormat.Webp])
        {
            var whole = Fields(format);
            Refused(whole[..(whole.Length / 2)]).ShouldBe("The picture is broken off or damaged.");
        }

        Refused(new byte[KeptPicture.LargestFile + 1]).ShouldBe("The picture has 20 MB.");
    }

    [Fact]
    public void Whatever_is_damaged_is_taken_or_refused_and_nothing_else_happens()
    {
        byte[][] whole = [Fields(SKEncodedImageFormat.Png, 60, 40), Fields(SKEncodedImageFormat.Jpeg, 60, 40), Fields(SKEncodedImageFormat.Webp, 60, 40),
            WithExif(Fields(SKEncodedImageFormat.Jpeg, 60, 40), 6), Encoding.UTF8.GetBytes(Drawing("<path d='M0 0L9 9'/>"))];
        Gen.Select(Gen.Int[0, 4], Gen.Int[0, 100_000], Gen.Byte, Gen.Int[0, 3]).Sample((which, at, with, how) =>
        {
            var bytes = whole[which].ToArray();
            at %= bytes.Length;
            if (how == 0) bytes[at] = with;
            else if (how == 1) bytes = bytes[..at];
            else if (how == 2) bytes = [.. bytes[..at], .. new byte[with], .. bytes[at..]];
            else bytes = [.. bytes[..at], .. bytes[Math.Min(bytes.Length, at + with)..]];
            var taken = KeptPicture.Take(bytes);
            if (taken.IsGood) FigurePicture.IsKey(taken.Value.Picture.Key).ShouldBeTrue();
            else (taken.Problem.What.Length * taken.Problem.WhatToDo.Length).ShouldBeGreaterThan(0);
        }, iter: 600);
    }

    [Fact]
    public void Nothing_behind_or_beside_the_dots_is_kept()
    {
        foreach (var format in (SKEncodedImageFormat[])[SKEncodedImageFormat.Png, SKEncodedImageFormat.Jpeg])
        {
            // Two files in one: a picture, and behind it a page.
            byte[] two = [.. Fields(format), .. "<script>alert(1)</script>"u8];
            Encoding.Latin1.GetString(Taken(two).Bytes).ShouldNotContain("script");
        }

        var png = Fields(SKEncodedImageFormat.Png);
        byte[] noted = [.. png[..^12], .. Chunk("tEXt", "Comment\0taken at home"u8.ToArray()), .. png[^12..]];
        Encoding.Latin1.GetString(Taken(noted).Bytes).ShouldNotContain("taken at home");
    }

    [Fact]
    public void What_was_kept_comes_back_byte_for_byte_and_what_only_says_so_is_taken_like_any_other()
    {
        foreach (var kept in (KeptPicture[])[Taken(Fields(SKEncodedImageFormat.Png)), Taken(Fields(SKEncodedImageFormat.Jpeg)),
            Taken(Encoding.UTF8.GetBytes(Drawing("<circle r='3'/>")))])
        {
            var back = KeptPicture.TakeBack(kept.Picture.Key, kept.Bytes).Value;
            back.Bytes.ShouldBe(kept.Bytes);
            back.Picture.ShouldBe(kept.Picture);
        }

        // Its name is right, and it is not as it would be kept: metadata, something behind it, a script.
        foreach (var (bytes, ending) in ((byte[], string)[])[(WithExif(Fields(SKEncodedImageFormat.Jpeg), 6), ".jpg"),
            ([.. Fields(SKEncodedImageFormat.Png), 1, 2, 3], ".png"),
            (Encoding.UTF8.GetBytes(Drawing("<script>alert(1)</script><circle r='3'/>")), ".svg"), (Fields(SKEncodedImageFormat.Jpeg), ".png")])
        {
            var back = KeptPicture.TakeBack(KeptPicture.KeyOf(bytes, ending), bytes).Value;
            back.Picture.Key.ShouldNotBe(KeptPicture.KeyOf(bytes, ending));
            back.Picture.Key.ShouldStartWith(Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(back.Bytes)));
        }
    }

    private static string Drawing(string inner, string head = "viewBox=\"0 0 400 300\"") =>
        $"<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" {head}>{inner}</svg>";

    private static (string Text, IReadOnlyList<string> LeftOut) Cleaned(string svg)
    {
        var taken = Taken(Encoding.UTF8.GetBytes(svg));
        taken.Picture.Key.ShouldEndWith(".svg");
        return (Encoding.UTF8.GetString(taken.Bytes), taken.LeftOut);
    }

    public static TheoryData<string, string, string> Running => new()
    {
        { "<script>alert(1)</script><path d='M0 0'/>", "alert", "a script" },
        { "<path d='M0 0' onload='alert(1)'/>", "alert", "" },
        { "<path d='M0 0' ONCLICK='alert(1)'/>", "alert", "" },
        { "<foreignObject><p xmlns='http://www.w3.org/1999/xhtml'>alert</p></foreignObject><path d='M0 0'/>", "alert", "a piece of a web page" },
        { "<image href='http://127.0.0.1/x.png'/><path d='M0 0'/>", "127", "a picture within the drawing" },
        { "<use href='http://127.0.0.1/x.svg#a'/>", "127", "something it takes from elsewhere" },
        { "<use xlink:href='//127.0.0.1/x.svg#a'/>", "127", "something it takes from elsewhere" },
        { "<a href='javascript:alert(1)'><path d='M0 0'/></a>", "alert", "" },
        { "<path d='M0 0' style='fill:url(http://127.0.0.1/#a)'/>", "127", "styles that ask for something from elsewhere" },
        { "<path d='M0 0' fill=\"url('http://127.0.0.1/#a')\"/>", "127", "styles that ask for something from elsewhere" },
        { "<style>@import 'http://127.0.0.1/a.css';</style><path d='M0 0'/>", "127", "styles that ask for something from elsewhere" },
        { "<style>path{fill:u\\72l(http://127.0.0.1)}</style><path d='M0 0'/>", "127", "styles that ask for something from elsewhere" },
        { "<path d='M0 0'><animate attributeName='href' to='javascript:alert(1)'/></path>", "alert", "a movement" },
        { "<set attributeName='onload' to='alert(1)'/><path d='M0 0'/>", "alert", "a movement" },
        { "<x:script xmlns:x='http://www.w3.org/2000/svg'>alert(1)</x:script><path d='M0 0'/>", "alert", "a script" },
        { "<h:script xmlns:h='http://www.w3.org/1999/xhtml'>alert(1)</h:script><path d='M0 0'/>", "alert", "" },
        { "<path d='M0 0'/><!-- alert -->", "alert", "" },
        { "<metadata>alert: drawn by me</metadata><path d='M0 0'/>", "alert", "" },
    };

    [Theory]
    [MemberData(nameof(Running))]
    public void A_drawing_keeps_what_draws_and_says_what_it_loses(string inner, string gone, string leftOut)
    {
        var (text, left) = Cleaned(Drawing(inner));
        text.ShouldNotContain(gone, Case.Insensitive);
        string.Join(", ", left).ShouldBe(leftOut);
        // Cleaned again it is the same: a file that goes out and comes in stays as it is.
        Cleaned(text).Text.ShouldBe(text);
    }

    [Fact]
    public void A_drawing_that_is_right_is_drawn_as_it_was()
    {
        const string Inner = "<defs><linearGradient id=\"g\"><stop offset=\"1\" stop-color=\"red\" /></linearGradient><path id=\"p\" d=\"M0 0\" /></defs>"
            + "<style>.a{fill:url(#g)}</style><g class=\"a\" transform=\"rotate(5)\"><use href=\"#p\" x=\"1\" /><text x=\"4\" y=\"5\">M8 &lt; M10</text></g>";
        var (text, left) = Cleaned(Drawing(Inner.Replace(" href", " xlink:href", StringComparison.Ordinal)));
        text.ShouldBe("<svg viewBox=\"0 0 400 300\" width=\"1200\" height=\"900\" xmlns=\"http://www.w3.org/2000/svg\">" + Inner + "</svg>");
        left.ShouldBeEmpty();
    }

    [Theory]
    [InlineData("viewBox='0 0 300 600'", 600, 1200)]
    [InlineData("width='80mm' height='40mm'", 1200, 600)]
    [InlineData("width='3in' height='288'", 1200, 1200)]
    [InlineData("width='100%' height='100%' viewBox='-5,-5 20 10'", 1200, 600)]
    public void A_drawing_is_as_large_as_it_says(string head, int width, int height)
    {
        var taken = Taken(Encoding.UTF8.GetBytes(Drawing("<path d='M0 0'/>", head)));
        (taken.Picture.Width, taken.Picture.Height).ShouldBe((width, height));
    }

    [Fact]
    public void A_drawing_that_would_take_the_page_with_it_is_refused()
    {
        string Of(string svg) => Refused(Encoding.UTF8.GetBytes(svg));
        Of(Drawing("<g>")).ShouldStartWith("The drawing cannot be read at line 1");
        Of("<!DOCTYPE svg [<!ENTITY a 'lol'><!ENTITY b '&a;&a;'>]>" + Drawing("<text>&b;</text>")).ShouldStartWith("The drawing cannot be read");
        Of("<!DOCTYPE svg [<!ENTITY x SYSTEM 'file:///etc/hostname'>]>" + Drawing("<text>&x;</text>")).ShouldStartWith("The drawing cannot be read");
        Of(Drawing(string.Concat(Enumerable.Repeat("<g>", 90)) + "<path d='M0 0'/>" + string.Concat(Enumerable.Repeat("</g>", 90))))
            .ShouldContain("nested more than");
        Of(Drawing(string.Concat(Enumerable.Repeat("<path d='M0 0'/>", 70_000)))).ShouldContain("pieces");
        // Ten that use ten that use ten.
        Of(Drawing("<g id='a'><path d='M0 0'/></g><g id='b'><use href='#a'/><use href='#a'/></g><use href='#b'/>")).ShouldContain("repeats");
        Of(Drawing("<use id='a' href='#a'/>")).ShouldContain("repeats");
        Of(Drawing("<title>nothing</title>")).ShouldBe("Nothing is drawn in the drawing.");
        Of(Drawing("<path d='M0 0'/>", "")).ShouldBe("The drawing does not say how large it is.");
        Of(Drawing("<path d='M0 0'/>", "viewBox='0 0 0 0'")).ShouldBe("The drawing does not say how large it is.");
        Of("<html><body>no</body></html>").ShouldBe("The file is no picture that can be read.");
        Of("<?xml version='1.0'?><svg viewBox='0 0 9 9'><path d='M0 0'/></svg>").ShouldBe("The file is no drawing.",
            "without its namespace it is none to a browser either");
        // What most drawing programs write in front is read past.
        Cleaned("<?xml version=\"1.0\"?>\n<!DOCTYPE svg PUBLIC '-//W3C//DTD SVG 1.1//EN' 'http://127.0.0.1/svg11.dtd'>\n" + Drawing("<path d='M0 0'/>")).LeftOut.ShouldBeEmpty();
    }
}
