using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Fasteners;

/// <summary>Reads thread designations: "M14x1.5", "M8", "3/8-16 UNC", "1/4-20", "#10-32".</summary>
public static partial class ThreadText
{
    /// <summary>The pattern of a metric designation with an optional pitch and length.</summary>
    internal const string MetricPattern = @"M\s?(?<d>\d{1,3}(?:[.,]\d{1,2})?)(?:\s*[x×*]\s*(?<p>\d{1,2}(?:[.,]\d{1,2})?))?(?:\s*[x×*]\s*(?<l>\d{1,4}(?:[.,]\d)?))?";

    /// <summary>The pattern of an inch designation with an optional series and length.</summary>
    internal const string InchPattern = @"(?<s>#\d{1,2}|(?:\d[ \-])?\d{1,2}/\d{1,2}|1)\s?-\s?(?<n>\d{1,2})(?:\s*(?<f>UNC|UNF|UNEF)(?![A-Za-z]))?(?:\s*[x×*]\s*(?<il>\d{1,2}(?:[ \-]\d/\d{1,2}|/\d{1,2}|\.\d{1,3})?)(?:\s*(?:in\b|""|″))?)?";

    [GeneratedRegex("^" + MetricPattern + "$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Metric();

    [GeneratedRegex("^" + InchPattern + "$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Inch();

    /// <summary>Reads a whole text as one designation, without a length.</summary>
    public static Outcome<Thread> Parse(string text)
    {
        var trimmed = text.Trim();
        if (Metric().Match(trimmed) is { Success: true } metric)
        {
            var (thread, length) = FromMetric(metric);
            if (!thread.IsGood || length is null) return thread;
        }
        else if (Inch().Match(trimmed) is { Success: true } inch && !inch.Groups["il"].Success)
        {
            return FromInch(inch).Thread;
        }

        return new Problem($"“{NumberText.Excerpt(trimmed)}” is not a thread.", "Write it as M14x1.5, M8, 3/8-16 UNC or #10-32.");
    }

    /// <summary>A metric match as thread and length in mm. "M8x40" is a length: no pitch is that coarse.</summary>
    internal static (Outcome<Thread> Thread, Length? Length) FromMetric(Match match)
    {
        var diameter = Number(match.Groups["d"].Value);
        decimal? pitch = match.Groups["p"].Success ? Number(match.Groups["p"].Value) : null;
        Length? length = match.Groups["l"].Success ? new Length(Number(match.Groups["l"].Value)) : null;
        if (length is null && pitch >= 6)
        {
            length = new Length(pitch.Value);
            pitch = null;
        }

        if (diameter is < 1 or > 150)
            return (new Problem($"There is no thread M{diameter:0.##}.", "Write a diameter between M1 and M150."), length);
        if (pitch is null)
        {
            return ThreadSeries.CoarsePitch(diameter) is { } coarse
                ? (new MetricThread(diameter, coarse), length)
                : (new Problem($"M{diameter:0.##} has no usual coarse pitch.", $"Write the pitch too, such as M{diameter:0.##}x1."), length);
        }

        // A pitch above a quarter of the diameter leaves no core; below a fiftieth no flank. Bounds of ISO 261's table.
        if (pitch < 0.2m || pitch > diameter / 3.5m || pitch < diameter / 60)
            return (new Problem($"A pitch of {pitch:0.##} mm does not go with M{diameter:0.##}.", PitchAdvice(diameter)), length);
        return (new MetricThread(diameter, pitch.Value), length);
    }

    /// <summary>An inch match as thread and length.</summary>
    internal static (Outcome<Thread> Thread, Length? Length) FromInch(Match match)
    {
        var size = match.Groups["s"].Value.Replace('-', ' ');
        var perInch = int.Parse(match.Groups["n"].Value, CultureInfo.InvariantCulture);
        Length? length = match.Groups["il"].Success && Fraction.Parse(match.Groups["il"].Value) is { IsGood: true } l ? new Length(l.Value, true) : null;
        if (ThreadSeries.Inch(size) is not { } row)
            return (new Problem($"There is no thread of size {size} in the unified series.", "Write a size from #4 to 1 1/2, such as 3/8-16 UNC."), length);
        var series = match.Groups["f"].Value.ToUpperInvariant();
        var expected = series switch { "UNC" => row.Coarse, "UNF" => row.Fine, _ => perInch };
        if (perInch != expected)
            return (new Problem($"{size} {series} has {expected} threads to the inch, not {perInch}.", $"Write {size}-{expected} {series}, or leave {series} out."), length);
        if (perInch < row.Coarse / 2 || perInch > row.Fine * 2)
            return (new Problem($"{perInch} threads to the inch do not go with size {size}.", $"The usual ones are {row.Coarse} (UNC) and {row.Fine} (UNF)."), length);
        return (new InchThread(size, row.Diameter, perInch), length);
    }

    private static string PitchAdvice(decimal diameter) => ThreadSeries.MetricPitches(diameter) is { Count: > 0 } usual
        ? $"Usual pitches of M{diameter:0.##} are {string.Join(", ", usual.Select(p => p.ToString("0.##", CultureInfo.InvariantCulture)))} mm."
        : "Check the diameter and the pitch.";

    private static decimal Number(string text) => decimal.Parse(text.Replace(',', '.'), CultureInfo.InvariantCulture);
}
