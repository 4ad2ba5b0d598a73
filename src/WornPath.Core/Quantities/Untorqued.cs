using System.Globalization;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;

namespace WornPath.Core.Quantities;

/// <summary>Specifications without a torque stand in JSON as their printed text.</summary>
public sealed class UntorquedJsonConverter() : TextJsonConverter<Untorqued>(Untorqued.Parse);

/// <summary>
/// A joint that is tightened without a torque wrench, on purpose: to snug, by flats past hand-tight, or until two things meet.
/// </summary>
/// <param name="Flats">Flats of the hexagon past hand-tight; null where it is not turned by flats.</param>
/// <param name="Contact">What meets what; null where it is not brought to contact.</param>
[JsonConverter(typeof(UntorquedJsonConverter))]
public sealed partial record Untorqued(decimal? Flats, string? Contact)
{
    /// <summary>The word "snug" as this program defines it: as tight as one hand on a short wrench or a few blows of a small impact driver makes it, parts in firm contact. After RCSC, Specification for Structural Joints, "snug-tightened", from memory.</summary>
    public const string SnugMeans = "parts in firm contact: the full effort of one hand on a short wrench, no more";

    /// <summary>Snug is enough.</summary>
    public static readonly Untorqued Snug = new(null, null);

    [GeneratedRegex(@"^(?<n>.+?)\s*flats?\s+(?:past|from|after)\s+(?:hand|finger)[\s-]?tight$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex FlatsPattern();

    [GeneratedRegex(@"^(?:snug|hand[\s-]tight|finger[\s-]tight)\s*(?:\+|,?\s*plus|,?\s*then|\band\b)\s*(?:a\s+further\s+|another\s+)?(?<turn>.+)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex TurnedPattern();

    // "A quarter turn past snug": the same, the other way round.
    [GeneratedRegex(@"^(?<turn>.+?)\s+(?:past|beyond|after|from)\s+(?:snug|hand[\s-]?tight|finger[\s-]?tight)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex TurnPastPattern();

    // Turned on from snug or hand-tight, whichever stands first.
    private static Match Turned(string text) => TurnedPattern().Match(text) is { Success: true } turned ? turned
        : FlatsPattern().IsMatch(text) ? Match.Empty : TurnPastPattern().Match(text);

    [GeneratedRegex(@"^to\s+contact\s*(?::\s*(?<what>.+))?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex ContactPattern();

    /// <summary>True where a text means a specification without a torque, well or badly written.</summary>
    public static bool IsMeant(string text)
    {
        var trimmed = text.Trim();
        return trimmed.Equals("snug", StringComparison.OrdinalIgnoreCase) || Turned(trimmed).Success
            || FlatsPattern().IsMatch(trimmed) || ContactPattern().IsMatch(trimmed);
    }

    /// <summary>Reads "snug", "2 flats past hand-tight", "to contact: bushing on the washer".</summary>
    public static Outcome<Untorqued> Parse(string text)
    {
        var trimmed = text.Trim();
        if (trimmed.Equals("snug", StringComparison.OrdinalIgnoreCase)) return Snug;
        // "Snug + 60°", "hand-tight plus a quarter turn": so many flats of sixty degrees.
        if (Turned(trimmed) is { Success: true } turned)
            return Angle.Parse(turned.Groups["turn"].Value) is { IsGood: true } angle && angle.Value.Degrees <= 12 * Angle.Flat
                ? new Untorqued(Math.Round(angle.Value.Degrees / Angle.Flat, 2), null)
                : new Problem($"“{NumberText.Excerpt(turned.Groups["turn"].Value)}” is no turn past hand-tight.", "Write degrees, flats or turns, such as hand-tight + 60°.");
        if (FlatsPattern().Match(trimmed) is { Success: true } flats)
        {
            return NumberWords.Parse(flats.Groups["n"].Value) is { } n and > 0 and <= 12
                ? new Untorqued(n, null)
                : new Problem($"“{NumberText.Excerpt(flats.Groups["n"].Value)}” flats cannot be meant.", "Write a number up to 12, such as 2 flats past hand-tight.");
        }

        if (ContactPattern().Match(trimmed) is { Success: true } contact)
        {
            return contact.Groups["what"].Success && contact.Groups["what"].Value.Length <= 120
                ? new Untorqued(null, contact.Groups["what"].Value.Trim())
                : new Problem("To contact of what?", "Write what meets what, such as to contact: bushing on the washer.");
        }

        return new Problem($"“{NumberText.Excerpt(trimmed)}” is no way to tighten without a torque.", "Write snug, 2 flats past hand-tight, or to contact: bushing on the washer.");
    }

    public override string ToString() => Flats is { } n ? $"{n.ToString("0.##", CultureInfo.InvariantCulture)} flat{(n == 1 ? "" : "s")} past hand-tight" : Contact is { } what ? $"to contact: {what}" : "snug";
}
