using System.Globalization;
using System.Net;
using System.Text;
using DocumentFormat.OpenXml.Packaging;
using DocumentFormat.OpenXml.Wordprocessing;
using WornPath.Core.Printing;
using WornPath.Core.Sheets;
using WornPath.Formats.Pictures;

namespace WornPath.Formats.Out;

/// <summary>
/// Figures in a document of a word processor: a group of the picture and, over it, lines and numbered circles of the word processor's own,
/// so that they can be gone on with there (ISO/IEC 29500-1, 20.1 and the published extensions of Office 2010 for groups and shapes, 2016 for SVG).
/// </summary>
internal sealed class WordFigures(MainDocumentPart main)
{
    // English Metric Units, 914,400 an inch: what a figure takes at most, beside the margin a step stands in by.
    private const double WidestEmu = 4_700_000, HighestEmu = 3_600_000, PatternEmu = 1_700_000;

    private const string Namespaces = "xmlns:w=\"http://schemas.openxmlformats.org/wordprocessingml/2006/main\" "
        + "xmlns:wp=\"http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing\" xmlns:a=\"http://schemas.openxmlformats.org/drawingml/2006/main\" "
        + "xmlns:pic=\"http://schemas.openxmlformats.org/drawingml/2006/picture\" xmlns:r=\"http://schemas.openxmlformats.org/officeDocument/2006/relationships\" "
        + "xmlns:wpg=\"http://schemas.microsoft.com/office/word/2010/wordprocessingGroup\" xmlns:wps=\"http://schemas.microsoft.com/office/word/2010/wordprocessingShape\" "
        + "xmlns:asvg=\"http://schemas.microsoft.com/office/drawing/2016/SVG/main\"";

    private const string Black = "<a:solidFill><a:srgbClr val=\"000000\"/></a:solidFill>", White = "<a:solidFill><a:srgbClr val=\"FFFFFF\"/></a:solidFill>";

    private readonly Dictionary<string, string> _kept = [];
    private int _ids;

    /// <summary>The figure drawn; null where there is nothing to draw: its picture is not at hand.</summary>
    public Run? Draw(DocumentFigure figure)
    {
        if (figure.Figure.Pattern is { } pattern) return Pattern(figure, pattern);
        return figure is { Figure.Picture: { } picture, Picture: { } bytes } ? Picture(figure, picture, bytes) : null;
    }

    private Run Picture(DocumentFigure figure, FigurePicture picture, byte[] bytes)
    {
        var layout = FigureLayout.Of(figure.Figure, picture);
        var shown = layout.Shown;
        var scale = Math.Min(WidestEmu / shown.Width, HighestEmu / shown.Height);
        Box Scaled(Box box) => new((box.X - shown.X) * scale, (box.Y - shown.Y) * scale, box.Width * scale, box.Height * scale);
        (double X, double Y) At((double X, double Y) place) => ((place.X - shown.X) * scale, (place.Y - shown.Y) * scale);
        var blip = Blip(picture, bytes);
        var shapes = new StringBuilder(Shown(blip, picture, shown, Scaled(shown)));
        var line = 0.45 * layout.Unit * scale;
        if (layout.Inset is { } inset)
        {
            shapes.Append(Shape(Scaled(inset.Of), "rect", "<a:noFill/>", $"<a:ln w=\"{Whole(line)}\">{Black}<a:prstDash val=\"dash\"/></a:ln>"))
                .Append(Shape(Scaled(inset.At), "rect", White, "<a:ln><a:noFill/></a:ln>"))
                .Append(Shown(blip, picture, inset.Of, Scaled(inset.At)))
                .Append(Shape(Scaled(inset.At), "rect", "<a:noFill/>", $"<a:ln w=\"{Whole(2 * line)}\">{Black}</a:ln>"));
        }

        foreach (var (from, to) in layout.Arrows)
            foreach (var (colour, wide) in ((string, double)[])[(White, 3.9), (Black, 2)])
                shapes.Append(Straight(At(from), At(to), $"<a:ln w=\"{Whole(wide * line)}\">{colour}<a:tailEnd type=\"triangle\"/></a:ln>"));
        foreach (var (at, tip, number) in layout.Balloons)
        {
            foreach (var (colour, wide) in ((string, double)[])[(White, 2.9), (Black, 1)])
                shapes.Append(Straight(At(at), At(tip), $"<a:ln w=\"{Whole(wide * line)}\">{colour}<a:tailEnd type=\"oval\" w=\"sm\" len=\"sm\"/></a:ln>"));
            shapes.Append(Circle(At(at), FigureLayout.Radius * layout.Unit * scale, line, number));
        }

        return Group(figure, shown.Width * scale, shown.Height * scale, shapes);
    }

    private Run Pattern(DocumentFigure figure, PrintedPattern pattern)
    {
        var (width, height, places) = FigureLayout.Of(pattern);
        var scale = PatternEmu / Math.Max(width, height);
        var shapes = new StringBuilder();
        foreach (var (x, y, turn) in places) shapes.Append(Circle((x * scale, y * scale), 7 * scale, scale, turn));
        return Group(figure, width * scale, height * scale, shapes);
    }

    // A part of the picture, at a place.
    private string Shown(string blip, FigurePicture picture, Box part, Box at)
    {
        // In thousandths of a percent, from each side.
        int Cut(double of, double side) => (int)Math.Round(Math.Clamp(of / side, 0, 1) * 100_000);
        var cut = $"<a:srcRect l=\"{Cut(part.X, picture.Width)}\" t=\"{Cut(part.Y, picture.Height)}\" "
            + $"r=\"{Cut(picture.Width - part.X - part.Width, picture.Width)}\" b=\"{Cut(picture.Height - part.Y - part.Height, picture.Height)}\"/>";
        return $"<pic:pic><pic:nvPicPr><pic:cNvPr id=\"{++_ids}\" name=\"Picture {_ids}\"/><pic:cNvPicPr/></pic:nvPicPr><pic:blipFill>{blip}{cut}<a:stretch><a:fillRect/></a:stretch></pic:blipFill>"
            + $"<pic:spPr>{Placed(at)}<a:prstGeom prst=\"rect\"><a:avLst/></a:prstGeom></pic:spPr></pic:pic>";
    }

    private string Shape(Box at, string form, string fill, string line, string words = "") =>
        $"<wps:wsp><wps:cNvPr id=\"{++_ids}\" name=\"Mark {_ids}\"/><wps:cNvSpPr/><wps:spPr>{Placed(at)}<a:prstGeom prst=\"{form}\"><a:avLst/></a:prstGeom>{fill}{line}</wps:spPr>{words}"
        + "<wps:bodyPr lIns=\"0\" tIns=\"0\" rIns=\"0\" bIns=\"0\" anchor=\"ctr\"/></wps:wsp>";

    private string Straight((double X, double Y) from, (double X, double Y) to, string line)
    {
        // A line goes from the upper left of its box to the lower right, or turned over.
        var box = new Box(Math.Min(from.X, to.X), Math.Min(from.Y, to.Y), Math.Abs(to.X - from.X), Math.Abs(to.Y - from.Y));
        var shape = Shape(box, "line", "", line);
        var turned = $"{(to.X < from.X ? " flipH=\"1\"" : "")}{(to.Y < from.Y ? " flipV=\"1\"" : "")}";
        return shape.Replace("<a:xfrm>", $"<a:xfrm{turned}>", StringComparison.Ordinal);
    }

    private string Circle((double X, double Y) at, double radius, double line, int number)
    {
        // In half points of 6,350 units; what fits into the circle.
        var size = Math.Clamp((int)Math.Round(radius * 1.15 / 6350), 8, 40);
        var words = $"<wps:txbx><w:txbxContent><w:p><w:pPr><w:spacing w:before=\"0\" w:after=\"0\" w:line=\"240\" w:lineRule=\"auto\"/><w:jc w:val=\"center\"/></w:pPr>"
            + $"<w:r><w:rPr><w:b/><w:color w:val=\"000000\"/><w:sz w:val=\"{size}\"/></w:rPr><w:t>{number}</w:t></w:r></w:p></w:txbxContent></wps:txbx>";
        return Shape(new Box(at.X - radius, at.Y - radius, 2 * radius, 2 * radius), "ellipse", White, $"<a:ln w=\"{Whole(line)}\">{Black}</a:ln>", words);
    }

    private Run Group(DocumentFigure figure, double width, double height, StringBuilder shapes)
    {
        var size = $"cx=\"{Whole(width)}\" cy=\"{Whole(height)}\"";
        var xml = $"<w:drawing {Namespaces}><wp:inline distT=\"0\" distB=\"0\" distL=\"0\" distR=\"0\"><wp:extent {size}/>"
            + $"<wp:docPr id=\"{++_ids}\" name=\"Figure {figure.Figure.Number}\" descr=\"{WebUtility.HtmlEncode(XmlWords.Line(figure.Figure.Alt))}\"/><wp:cNvGraphicFramePr/>"
            + "<a:graphic><a:graphicData uri=\"http://schemas.microsoft.com/office/word/2010/wordprocessingGroup\"><wpg:wgp><wpg:cNvGrpSpPr/><wpg:grpSpPr><a:xfrm><a:off x=\"0\" y=\"0\"/>"
            + $"<a:ext {size}/><a:chOff x=\"0\" y=\"0\"/><a:chExt {size}/></a:xfrm></wpg:grpSpPr>{shapes}</wpg:wgp></a:graphicData></a:graphic></wp:inline></w:drawing>";
        return new Run(new Drawing(xml));
    }

    // A picture goes in once, however often it is shown; a drawing also as dots, for what cannot show drawings.
    private string Blip(FigurePicture picture, byte[] bytes)
    {
        var key = picture.Key;
        if (_kept.TryGetValue(key, out var blip)) return blip;
        return _kept[key] = !key.EndsWith(".svg", StringComparison.Ordinal) ? $"<a:blip r:embed=\"{Part(key, bytes)}\"/>"
            : $"<a:blip r:embed=\"{Part(".png", PaintedPicture.Of(picture, bytes))}\"><a:extLst><a:ext uri=\"{{96DAC541-7B7A-43D3-8B79-37D633B846F1}}\">"
                + $"<asvg:svgBlip r:embed=\"{Part(key, bytes)}\"/></a:ext></a:extLst></a:blip>";
    }

    private string Part(string key, byte[] bytes)
    {
        var part = main.AddImagePart(key[^4..] switch { ".png" => ImagePartType.Png, ".jpg" => ImagePartType.Jpeg, _ => ImagePartType.Svg });
        using var stream = new MemoryStream(bytes);
        part.FeedData(stream);
        return main.GetIdOfPart(part);
    }

    private static string Placed(Box at) =>
        $"<a:xfrm><a:off x=\"{Whole(at.X)}\" y=\"{Whole(at.Y)}\"/><a:ext cx=\"{Whole(at.Width)}\" cy=\"{Whole(at.Height)}\"/></a:xfrm>";

    private static string Whole(double number) => Math.Round(number).ToString(CultureInfo.InvariantCulture);
}
