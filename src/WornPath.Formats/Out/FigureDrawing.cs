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
    private const double Radius = 3.1, Letters = 3.9, Line = 0.45, Edge = 1.3, Dot = 0.8, Shaft = 0.9, Head = 3.4;

    /// <summary>The SVG; empty where there is nothing to draw.</summary>
    public static string Svg(DocumentFigure figure)
    {
        if (figure.Figure.Pattern is { } pattern) return Pattern(pattern, figure.Figure.Alt);
        return figure is { Figure.Picture: { } picture, Picture: { } bytes } ? Picture(figure.Figure, picture, bytes) : "";
    }

    private static string Picture(PrintedFigure figure, FigurePicture picture, byte[] bytes)
    {
        double Across(int x) => (double)x * picture.Width / FigurePoint.Whole;
        double Down(int y) => (double)y * picture.Height / FigurePoint.Whole;
        var shown = figure.Crop ?? new FigureArea(0, 0, FigurePoint.Whole, FigurePoint.Whole);
        var (left, top, width, height) = (Across(shown.X), Down(shown.Y), Across(shown.Width), Down(shown.Height));
        var unit = Math.Max(width, height) / 100;
        // What was put beside the part that is shown now stands at its edge: nothing is lost by choosing less of a picture.
        (double X, double Y) Place(FigurePoint point, double room) => (Math.Clamp(Across(point.X), left + room, left + Math.Max(room, width - room)),
            Math.Clamp(Down(point.Y), top + room, top + Math.Max(room, height - room)));
        var href = $"data:{KeptPicture.MediaTypeOf(picture.Key)};base64,{Convert.ToBase64String(bytes)}";
        var id = $"figure-{figure.Number}";
        var svg = Begin(figure.Alt, left, top, width, height);
        svg.Append(Inv($"<image id=\"{id}\" href=\"{href}\" width=\"{picture.Width}\" height=\"{picture.Height}\"/>"));
        if (figure.Inset is { } inset)
        {
            var (w, h, times) = (Across(inset.Of.Width), Down(inset.Of.Height), inset.Times / 10.0);
            // All of it stays within what is shown, as far as it is no larger.
            var (x, y) = (Math.Clamp(Across(inset.At.X), left, left + Math.Max(0, width - (w * times))),
                Math.Clamp(Down(inset.At.Y), top, top + Math.Max(0, height - (h * times))));
            svg.Append(Inv($"<rect x=\"{Across(inset.Of.X)}\" y=\"{Down(inset.Of.Y)}\" width=\"{w}\" height=\"{h}\" fill=\"none\" stroke=\"#fff\" stroke-width=\"{Edge * unit}\"/>"))
                .Append(Inv($"<rect x=\"{Across(inset.Of.X)}\" y=\"{Down(inset.Of.Y)}\" width=\"{w}\" height=\"{h}\" fill=\"none\" stroke=\"#000\" stroke-width=\"{Line * unit}\" stroke-dasharray=\"{unit} {unit}\"/>"))
                .Append(Inv($"<rect x=\"{x}\" y=\"{y}\" width=\"{w * times}\" height=\"{h * times}\" fill=\"#fff\"/>"))
                .Append(Inv($"<svg x=\"{x}\" y=\"{y}\" width=\"{w * times}\" height=\"{h * times}\" viewBox=\"{Across(inset.Of.X)} {Down(inset.Of.Y)} {w} {h}\" preserveAspectRatio=\"none\"><use href=\"#{id}\"/></svg>"))
                .Append(Inv($"<rect x=\"{x}\" y=\"{y}\" width=\"{w * times}\" height=\"{h * times}\" fill=\"none\" stroke=\"#000\" stroke-width=\"{2 * Line * unit}\"/>"));
        }

        foreach (var arrow in figure.Arrows) Arrow(svg, Place(arrow.From, 0), Place(arrow.To, 0), unit);
        foreach (var balloon in figure.Balloons)
        {
            var ((x, y), (tipX, tipY)) = (Place(balloon.At, Radius * unit), Place(balloon.Tip, 0));
            foreach (var (colour, wide, dot) in ((string, double, double)[])[("#fff", Edge, Dot + ((Edge - Line) / 2)), ("#000", Line, Dot)])
                svg.Append(Inv($"<path d=\"M{x} {y}L{tipX} {tipY}\" stroke=\"{colour}\" stroke-width=\"{wide * unit}\"/><circle cx=\"{tipX}\" cy=\"{tipY}\" r=\"{dot * unit}\" fill=\"{colour}\"/>"));
            svg.Append(Inv($"<circle cx=\"{x}\" cy=\"{y}\" r=\"{Radius * unit}\" fill=\"#fff\" stroke=\"#000\" stroke-width=\"{Line * unit}\"/>"));
            Number(svg, x, y, Letters * unit, balloon.Number);
        }

        return svg.Append("</svg>").ToString();
    }

    private static string Pattern(PrintedPattern pattern, string alt)
    {
        const double Around = 14;
        var places = pattern.Places;
        var (left, right, top, bottom) = (places.Min(p => p.X), places.Max(p => p.X), places.Min(p => p.Y), places.Max(p => p.Y));
        var scale = (100 - (2 * Around)) / Math.Max(1e-9, Math.Max(right - left, bottom - top));
        var svg = Begin(alt, 0, 0, ((right - left) * scale) + (2 * Around), ((bottom - top) * scale) + (2 * Around));
        for (var i = 0; i < places.Length; i++)
        {
            var (x, y) = (((places[i].X - left) * scale) + Around, ((places[i].Y - top) * scale) + Around);
            svg.Append(Inv($"<circle cx=\"{x}\" cy=\"{y}\" r=\"7\" fill=\"#fff\" stroke=\"#000\"/>"));
            // The number of the turn it is tightened in, which is what one works by.
            Number(svg, x, y, 8, pattern.Order.IndexOf(i + 1) + 1);
        }

        return svg.Append("</svg>").ToString();
    }

    private static StringBuilder Begin(string alt, double left, double top, double width, double height) => new StringBuilder()
        .Append(Inv($"<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"{left} {top} {width} {height}\" role=\"img\" aria-label=\""))
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
