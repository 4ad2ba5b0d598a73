using System.Collections.Immutable;
using WornPath.Core.Printing;
using WornPath.Core.Sheets;

namespace WornPath.Formats.Out;

/// <summary>A rectangle in dots of a picture.</summary>
internal readonly record struct Box(double X, double Y, double Width, double Height);

/// <summary>
/// Where everything of a figure lies, in dots of its picture: the part that is shown, and on it the marks. What was put beside the part
/// that is shown now stands at its edge: nothing is lost by choosing less of a picture.
/// </summary>
/// <param name="Shown">The part that is shown.</param>
/// <param name="Unit">A hundredth of its longer side, which sizes of marks are counted in.</param>
/// <param name="Balloons">Middle, tip and number of each.</param>
/// <param name="Arrows">Beginning and point of each.</param>
/// <param name="Inset">What is enlarged, and where it is shown larger; null for nothing.</param>
internal sealed record FigureLayout(Box Shown, double Unit, ImmutableArray<((double X, double Y) At, (double X, double Y) Tip, int Number)> Balloons,
    ImmutableArray<((double X, double Y) From, (double X, double Y) To)> Arrows, (Box Of, Box At)? Inset)
{
    /// <summary>Half of a balloon, in units.</summary>
    public const double Radius = 3.1;

    /// <summary>Lays a figure with a picture out.</summary>
    public static FigureLayout Of(PrintedFigure figure, FigurePicture picture)
    {
        double Across(int x) => (double)x * picture.Width / FigurePoint.Whole;
        double Down(int y) => (double)y * picture.Height / FigurePoint.Whole;
        Box Part(FigureArea area) => new(Across(area.X), Down(area.Y), Across(area.Width), Down(area.Height));
        var shown = Part(figure.Crop ?? new FigureArea(0, 0, FigurePoint.Whole, FigurePoint.Whole));
        var unit = Math.Max(shown.Width, shown.Height) / 100;
        (double X, double Y) Place(FigurePoint point, double room) => (Within(Across(point.X), shown.X, shown.Width, room), Within(Down(point.Y),
            shown.Y, shown.Height, room));
        (Box, Box)? enlarged = null;
        if (figure.Inset is { } inset)
        {
            var of = Part(inset.Of);
            var (width, height) = (of.Width * inset.Times / 10, of.Height * inset.Times / 10);
            // All of it stays within what is shown, as far as it is no larger.
            enlarged = (of, new Box(Within(Across(inset.At.X), shown.X, Math.Max(0, shown.Width - width), 0),
                Within(Down(inset.At.Y), shown.Y, Math.Max(0, shown.Height - height), 0), width, height));
        }

        return new FigureLayout(shown, unit, [.. figure.Balloons.Select(b => (Place(b.At, Radius * unit), Place(b.Tip, 0), b.Number))],
            [.. figure.Arrows.Select(a => (Place(a.From, 0), Place(a.To, 0)))], enlarged);
    }

    /// <summary>A pattern laid out on a field of a hundred by as much as it needs: the middle of each place, and the turn it is tightened in.</summary>
    public static (double Width, double Height, ImmutableArray<(double X, double Y, int Turn)> Places) Of(PrintedPattern pattern)
    {
        const double Around = 14;
        var places = pattern.Places;
        var (left, right, top, bottom) = (places.Min(p => p.X), places.Max(p => p.X), places.Min(p => p.Y), places.Max(p => p.Y));
        var scale = (100 - (2 * Around)) / Math.Max(1e-9, Math.Max(right - left, bottom - top));
        return (((right - left) * scale) + (2 * Around), ((bottom - top) * scale) + (2 * Around),
            [.. places.Select((p, i) => (((p.X - left) * scale) + Around, ((p.Y - top) * scale) + Around, pattern.Order.IndexOf(i + 1) + 1))]);
    }

    private static double Within(double at, double from, double length, double room) => Math.Clamp(at, from + room, from + Math.Max(room, length - room));
}
