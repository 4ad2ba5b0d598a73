using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>How the fasteners of a joint lie.</summary>
public enum PatternShape
{
    /// <summary>Round a circle, the first at the top, numbered clockwise.</summary>
    Circle,

    /// <summary>Round the edge of a rectangle, rows × columns, numbered along the rows from the top left.</summary>
    Rectangle,

    /// <summary>Rows × columns, filled.</summary>
    Grid,

    /// <summary>One row, from the left.</summary>
    Row,

    /// <summary>Round an oval, the first at the top, numbered clockwise.</summary>
    Oval,

    /// <summary>U-bolts side by side, two legs each: 1 and 2 are the legs of the first.</summary>
    UBolts,

    /// <summary>Where the author placed them.</summary>
    Free,
}

/// <summary>A place in a pattern: millimetres or any other unit, x to the right, y down.</summary>
public readonly record struct Spot([property: JsonRequired] double X, [property: JsonRequired] double Y)
{
    /// <summary>Distance to another place.</summary>
    public double To(Spot other) => Math.Sqrt(((X - other.X) * (X - other.X)) + ((Y - other.Y) * (Y - other.Y)));
}

/// <summary>Patterns stand in JSON as their printed text.</summary>
public sealed class PatternJsonConverter() : TextJsonConverter<Pattern>(Pattern.Parse);

/// <summary>How the fasteners of a joint lie and, where the author says so, in which order they are tightened.</summary>
[JsonConverter(typeof(PatternJsonConverter))]
public sealed partial record Pattern
{
    public required PatternShape Shape { get; init; }

    /// <summary>Rows of a rectangle or grid; 0 for other shapes.</summary>
    public int Rows { get; init; }

    /// <summary>Columns of a rectangle or grid.</summary>
    public int Columns { get; init; }

    /// <summary>Places of a free layout.</summary>
    public ImmutableArray<Spot> Spots { get; init; } = [];

    /// <summary>The author's own order, as position numbers; empty where the computed one stands.</summary>
    public ImmutableArray<int> Order { get; init; } = [];

    /// <summary>Why the author's order.</summary>
    public string Because { get; init; } = "";

    public bool Equals(Pattern? other) => other is not null && ToString() == other.ToString();

    public override int GetHashCode() => ToString().GetHashCode(StringComparison.Ordinal);

    [GeneratedRegex(@"^(?<shape>circle|(?:(?:a|in a)\s+)?(?<ring>ring|circular|round|star|criss-?cross(?:wise)?|cross(?:wise)?|x)(?:[\s-]+(?:pattern|sequence|order))?|rectangle|grid|row|oval|u-?bolts?|free)(?:\s+(?<rows>\d{1,2})\s*[x×]\s*(?<cols>\d{1,2}))?(?:\s*:?\s*(?<spots>-?[\d.]+\s*,\s*-?[\d.]+(?:\s*\|\s*-?[\d.]+\s*,\s*-?[\d.]+)*))?(?:\s*[;,]?\s*order\s+(?<order>\d{1,3}(?:\s*[-,–]\s*\d{1,3})+)\s*(?:,?\s*because\s+(?<because>.+))?)?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Text();

    /// <summary>
    /// Reads "circle", "rectangle 2×3", "grid 3×4", "row", "oval", "U-bolts", "free 0,0 | 40,0 | 20,30", each with "; order 1-3-2-4 because …".
    /// What names the order that a circle is tightened in ("star", "crosswise", "X pattern") is a circle.
    /// </summary>
    public static Outcome<Pattern> Parse(string text)
    {
        const string Write = "Write circle, row, oval, U-bolts, rectangle 2×3, grid 3×4, or free 0,0 | 40,0 | 20,30.";
        if (text.Length > 2000) return new Problem("The pattern is too long to be one.", Write);
        var match = Text().Match(text.Trim());
        if (!match.Success) return new Problem($"“{NumberText.Excerpt(text.Trim())}” is no pattern.", Write);
        var word = match.Groups["ring"].Success ? "circle" : match.Groups["shape"].Value.ToLowerInvariant();
        var shape = word[0] switch { 'c' => PatternShape.Circle, 'g' => PatternShape.Grid, 'o' => PatternShape.Oval, 'u' => PatternShape.UBolts, 'f' => PatternShape.Free, _ => word == "row" ? PatternShape.Row : PatternShape.Rectangle };
        var pattern = new Pattern { Shape = shape };
        if (shape is PatternShape.Rectangle or PatternShape.Grid)
        {
            if (!match.Groups["rows"].Success) return new Problem($"A {word} has rows and columns.", $"Write them too, such as {word} 2×3.");
            var (rows, columns) = (int.Parse(match.Groups["rows"].Value, CultureInfo.InvariantCulture), int.Parse(match.Groups["cols"].Value, CultureInfo.InvariantCulture));
            if (rows < 1 || columns < 1 || (shape == PatternShape.Rectangle && (rows < 2 || columns < 2)) || rows * columns > 200) return new Problem($"{rows} × {columns} is no {word} of fasteners.", "Write rows × columns, such as 2×3.");
            pattern = pattern with { Rows = rows, Columns = columns };
        }
        else if (match.Groups["rows"].Success)
        {
            return new Problem($"Rows and columns do not go with {word}.", Write);
        }

        if ((shape == PatternShape.Free) != match.Groups["spots"].Success)
            return new Problem(shape == PatternShape.Free ? "A free pattern needs its places." : $"Places do not go with {word}.", "Write free 0,0 | 40,0 | 20,30: across and down, a bar between places.");
        if (shape == PatternShape.Free)
        {
            var spots = ImmutableArray.CreateBuilder<Spot>();
            foreach (var place in match.Groups["spots"].Value.Split('|'))
            {
                var xy = place.Split(',');
                if (!double.TryParse(xy[0], CultureInfo.InvariantCulture, out var x) || !double.TryParse(xy[1], CultureInfo.InvariantCulture, out var y) || Math.Abs(x) > 100_000 || Math.Abs(y) > 100_000)
                    return new Problem($"“{NumberText.Excerpt(place.Trim())}” is no place.", "Write two numbers, across and down, such as 40,0.");
                if (spots.Contains(new Spot(x, y))) return new Problem($"Two fasteners stand at {place.Trim()}.", "Give each its own place.");
                spots.Add(new Spot(x, y));
            }

            pattern = pattern with { Spots = spots.ToImmutable() };
        }

        if (!match.Groups["order"].Success) return pattern;
        ImmutableArray<int> order = [.. match.Groups["order"].Value.Split(['-', ',', '–'], StringSplitOptions.TrimEntries).Select(n => int.Parse(n, CultureInfo.InvariantCulture))];
        if (!match.Groups["because"].Success) return new Problem("An order of one's own needs its reason.", "Add because and the reason, such as because the gasket is thinnest there.");
        if (order.Distinct().Count() != order.Length || order.Min() != 1 || order.Max() != order.Length)
            return new Problem($"{string.Join('-', order)} does not name every position once.", $"Name each position from 1 to {order.Length} once.");
        return pattern with { Order = order, Because = match.Groups["because"].Value.Trim() };
    }

    /// <summary>What is wrong with this pattern for a number of fasteners; null where it fits.</summary>
    public Problem? CheckCount(int count)
    {
        var places = Shape switch
        {
            PatternShape.Rectangle => Rows * Columns - (Math.Max(0, Rows - 2) * Math.Max(0, Columns - 2)),
            PatternShape.Grid => Rows * Columns,
            PatternShape.Free => Spots.Length,
            PatternShape.UBolts => count + (count % 2),
            _ => count,
        };
        if (places != count) return new Problem($"The pattern has {places} places and the joint {count} fasteners.", "Make the two agree.");
        return Order.IsEmpty || Order.Length == count ? null : new Problem($"The order names {Order.Length} positions and the joint has {count} fasteners.", "Name every position once.");
    }

    /// <summary>Where the fasteners of a joint lie, in the order of their numbers, in a square of about 100 by 100.</summary>
    public ImmutableArray<Spot> Places(int count) => Shape switch
    {
        PatternShape.Circle => [.. Enumerable.Range(0, count).Select(i => Round(i, count, 45, 45))],
        PatternShape.Oval => [.. Enumerable.Range(0, count).Select(i => Round(i, count, 48, 28))],
        PatternShape.Row => [.. Enumerable.Range(0, count).Select(i => new Spot(count == 1 ? 50 : 4 + (92.0 * i / (count - 1)), 50))],
        PatternShape.Grid or PatternShape.Rectangle => [.. Cells()],
        PatternShape.UBolts => [.. Enumerable.Range(0, count).Select(i => new Spot(count <= 2 ? 50 : 15 + (70.0 * (i / 2) / (((count + 1) / 2) - 1)), i % 2 == 0 ? 25 : 75))],
        _ => Fitted(),
    };

    private static Spot Round(int i, int count, double a, double b)
    {
        var angle = 2 * Math.PI * i / count;
        return new Spot(50 + (a * Math.Sin(angle)), 50 - (b * Math.Cos(angle)));
    }

    private IEnumerable<Spot> Cells()
    {
        double step = 92.0 / Math.Max(1, Math.Max(Rows, Columns) - 1), left = 50 - (step * (Columns - 1) / 2), top = 50 - (step * (Rows - 1) / 2);
        for (var r = 0; r < Rows; r++)
            for (var c = 0; c < Columns; c++)
                if (Shape == PatternShape.Grid || r == 0 || r == Rows - 1 || c == 0 || c == Columns - 1) yield return new Spot(left + (c * step), top + (r * step));
    }

    private ImmutableArray<Spot> Fitted()
    {
        double left = Spots.Min(s => s.X), right = Spots.Max(s => s.X), top = Spots.Min(s => s.Y), bottom = Spots.Max(s => s.Y);
        var scale = 92 / Math.Max(1e-9, Math.Max(right - left, bottom - top));
        return [.. Spots.Select(s => new Spot(50 + ((s.X - ((left + right) / 2)) * scale), 50 + ((s.Y - ((top + bottom) / 2)) * scale)))];
    }

    public override string ToString()
    {
        var text = Shape switch
        {
            PatternShape.Rectangle => FormattableString.Invariant($"rectangle {Rows}×{Columns}"),
            PatternShape.Grid => FormattableString.Invariant($"grid {Rows}×{Columns}"),
            PatternShape.UBolts => "U-bolts",
            PatternShape.Free => "free " + string.Join(" | ", Spots.Select(s => FormattableString.Invariant($"{s.X:0.###},{s.Y:0.###}"))),
            _ => Shape.ToString().ToLowerInvariant(),
        };
        return Order.IsEmpty ? text : $"{text}; order {string.Join('-', Order)} because {Because}";
    }
}
