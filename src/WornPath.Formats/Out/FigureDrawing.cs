using System.Globalization;
using System.Net;
using System.Text;
using WornPath.Core.Printing;
using WornPath.Core.Sheets;
using WornPath.Formats.Pictures;

namespace WornPath.Formats.Out;

/// <summary>
/// A figure drawn as one SVG: the picture within it, over it balloons, arrows and the enlarged part, in black with a white edge, so that
/// they are seen on any picture and any print. The page draws them alike (client: <c>shared/FigureDrawing.vue</c>).
/// </summary>
public static class FigureDrawing
{
    // Of the longer side that is shown, in hundredths.
    private const double Letters = 3.9, Line = 0.45, Edge = 1.3, Dot = 0.8, Shaft = 0.9, Head = 3.4;

    /// <summary>The SVG; empty where there is nothing to draw.</summary>
    public static string Svg(DocumentFigure figure)
    {
        if (figure.Figure.Pattern is { } pattern) return Pattern(pattern, figure.Figure.Alt);
        return figure is { Figure.Picture: { } picture, Picture: { } bytes } ? Picture(figure.Figure, picture, bytes) : "";
    }

    private static string Picture(PrintedFigure figure, FigurePicture picture, byte[] bytes)
    {
        var layout = FigureLayout.Of(figure, picture);
        var unit = layout.Unit;
        var href = $"data:{KeptPicture.MediaTypeOf(picture.Key)};base64,{Convert.ToBase64String(bytes)}";
        var id = $"figure-{figure.Number}";
        var svg = Begin(figure.Alt, layout.Shown);
        svg.Append(Inv($"<image id=\"{id}\" href=\"{href}\" width=\"{picture.Width}\" height=\"{picture.Height}\"/>"));
        if (layout.Inset is { } inset)
        {
            var (of, at) = inset;
            svg.Append(Frame(of, $"fill=\"none\" stroke=\"#fff\" stroke-width=\"{Edge * unit}\""))
                .Append(Frame(of, $"fill=\"none\" stroke=\"#000\" stroke-width=\"{Line * unit}\" stroke-dasharray=\"{unit} {unit}\""))
                .Append(Frame(at, $"fill=\"#fff\""))
                .Append(Inv($"<svg x=\"{at.X}\" y=\"{at.Y}\" width=\"{at.Width}\" height=\"{at.Height}\" viewBox=\"{of.X} {of.Y} {of.Width} {of.Height}\" preserveAspectRatio=\"none\"><use href=\"#{id}\"/></svg>"))
                .Append(Frame(at, $"fill=\"none\" stroke=\"#000\" stroke-width=\"{2 * Line * unit}\""));
        }

        foreach (var (from, to) in layout.Arrows) Arrow(svg, from, to, unit);
        foreach (var ((x, y), (tipX, tipY), number) in layout.Balloons)
        {
            foreach (var (colour, wide, dot) in ((string, double, double)[])[("#fff", Edge, Dot + ((Edge - Line) / 2)), ("#000", Line, Dot)])
                svg.Append(Inv($"<path d=\"M{x} {y}L{tipX} {tipY}\" stroke=\"{colour}\" stroke-width=\"{wide * unit}\"/><circle cx=\"{tipX}\" cy=\"{tipY}\" r=\"{dot * unit}\" fill=\"{colour}\"/>"));
            svg.Append(Inv($"<circle cx=\"{x}\" cy=\"{y}\" r=\"{FigureLayout.Radius * unit}\" fill=\"#fff\" stroke=\"#000\" stroke-width=\"{Line * unit}\"/>"));
            Number(svg, x, y, Letters * unit, number);
        }

        return svg.Append("</svg>").ToString();
    }

    private static string Pattern(PrintedPattern pattern, string alt)
    {
        var (width, height, places) = FigureLayout.Of(pattern);
        var svg = Begin(alt, new Box(0, 0, width, height));
        foreach (var (x, y, turn) in places)
        {
            svg.Append(Inv($"<circle cx=\"{x}\" cy=\"{y}\" r=\"7\" fill=\"#fff\" stroke=\"#000\"/>"));
            Number(svg, x, y, 8, turn);
        }

        return svg.Append("</svg>").ToString();
    }

    private static string Frame(Box box, FormattableString how) =>
        Inv($"<rect x=\"{box.X}\" y=\"{box.Y}\" width=\"{box.Width}\" height=\"{box.Height}\" ") + Inv(how) + "/>";

    private static StringBuilder Begin(string alt, Box shown) => new StringBuilder()
        .Append(Inv($"<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"{shown.X} {shown.Y} {shown.Width} {shown.Height}\" role=\"img\" aria-label=\""))
        .Append(WebUtility.HtmlEncode(XmlWords.Clean(alt))).Append("\">");

    private static void Arrow(StringBuilder svg, (double X, double Y) from, (double X, double Y) to, double unit)
    {
        var length = Math.Max(1e-9, Math.Sqrt(Math.Pow(to.X - from.X, 2) + Math.Pow(to.Y - from.Y, 2)));
        var (dx, dy) = ((to.X - from.X) / length, (to.Y - from.Y) / length);
        var head = Math.Min(Head * unit, length);
        var (neckX, neckY) = (to.X - (dx * head), to.Y - (dy * head));
        var tip = Inv($"M{to.X} {to.Y}L{neckX - (dy * head / 2)} {neckY + (dx * head / 2)}L{neckX + (dy * head / 2)} {neckY - (dx * head / 2)}Z");
        foreach (var (colour, more) in ((string, double)[])[("#fff", Edge - Line), ("#000", 0)])
            svg.Append(Inv($"<path d=\"M{from.X} {from.Y}L{neckX} {neckY}\" stroke=\"{colour}\" stroke-width=\"{(Shaft + more) * unit}\"/><path d=\"{tip}\" fill=\"{colour}\" stroke=\"{colour}\" stroke-width=\"{more * unit}\"/>"));
    }

    private static void Number(StringBuilder svg, double x, double y, double size, int number) =>
        svg.Append(Inv($"<text x=\"{x}\" y=\"{y + (size * 0.36)}\" font-size=\"{size}\" font-family=\"sans-serif\" font-weight=\"700\" text-anchor=\"middle\">{number}</text>"));

    private static string Inv(FormattableString text) => text.ToString(Rounded.Instance);

    // Hundredths of a dot are enough, and a comma would part two numbers.
    private sealed class Rounded : IFormatProvider, ICustomFormatter
    {
        public static readonly Rounded Instance = new();

        public object? GetFormat(Type? formatType) => formatType == typeof(ICustomFormatter) ? this : null;

        public string Format(string? format, object? arg, IFormatProvider? formatProvider) => arg is double number
            ? Math.Round(number, 2).ToString("0.##", CultureInfo.InvariantCulture) : Convert.ToString(arg, CultureInfo.InvariantCulture) ?? "";
    }
}
