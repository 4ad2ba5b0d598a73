using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Revisions;

/// <summary>Hides values from who is to read them in their sources first: every torque, and what else stands on the sheet to be read.</summary>
public static partial class Blind
{
    /// <summary>What stands in the place of a value.</summary>
    public const string Hidden = "[to be read]";

    // Clamping force and its part of the proof load tell the torque to who knows the thread.
    [GeneratedRegex(@"\d[\d.,]*(?:\s*(?:–|-|to|±)\s*\d[\d.,]*)?\s*(?:kN|lbf|%)", RegexOptions.CultureInvariant)]
    private static partial Regex Force();

    // In what people say a value often stands without its unit: every number but that of a step or a figure, and of a thing's id.
    [GeneratedRegex(@"(?<![\p{L}\d.,])(?<!\b(?:steps?|figures?|page)\s)\d[\d.,]*", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex BareNumber();

    /// <summary>What somebody has said, with every value in it hidden, and every number that may be one.</summary>
    public static string HideAllNumbers(string text, Regex? besides) => BareNumber().Replace(Hide(text, besides), Hidden);

    /// <summary>What gives the amounts and limits of a sheet away that are to be read in their sources; null where it has none.</summary>
    public static Regex? Besides(Sheet sheet)
    {
        // A number may be held to its unit by a space that does not break.
        List<string> spellings = [.. StatedValue.All(sheet).SelectMany(v => v.Spellings).Where(s => s.Length > 0).Distinct()
            .OrderByDescending(s => s.Length).Select(s => Regex.Escape(s).Replace(@"\ ", @"\s"))];
        return spellings.Count == 0 ? null : new Regex($@"(?<![\d.,])(?:{string.Join('|', spellings)})(?![\p{{L}}\d])", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant);
    }

    /// <summary>A text with every torque in it hidden, what goes on from it (angle, slot, force), and what stands on the sheet besides.</summary>
    public static string Hide(string text, Regex? besides)
    {
        if (besides is not null) text = besides.Replace(text, Hidden);
        if (!text.AsSpan().ContainsAnyInRange('0', '9')) return text;
        var hidden = new StringBuilder();
        var at = 0;
        foreach (var found in TorqueText.FindAll(text))
        {
            hidden.Append(text, at, found.Start - at).Append(Hidden);
            at = found.Start + found.Length;
        }

        return Force().Replace(at == 0 ? text : hidden.Append(text, at, text.Length - at).ToString(), Hidden);
    }

    /// <summary>An answer with these values in its texts hidden, and the fields of these names, whatever they hold, left out.</summary>
    public static JsonNode? Hide(JsonNode? node, IReadOnlySet<string> leftOut, Regex? besides)
    {
        switch (node)
        {
            case JsonObject fields:
                foreach (var (name, value) in fields.ToList())
                {
                    if (leftOut.Contains(name)) fields[name] = value is JsonArray ? new JsonArray() : value is JsonValue v && v.GetValueKind() == System.Text.Json.JsonValueKind.String ? (v.GetValue<string>().Length > 0 ? Hidden : "") : null;
                    else if (Hide(value, leftOut, besides) is var kept && !ReferenceEquals(kept, value)) fields[name] = kept;
                }

                return fields;
            case JsonArray items:
                for (var i = 0; i < items.Count; i++)
                    if (Hide(items[i], leftOut, besides) is var kept && !ReferenceEquals(kept, items[i])) items[i] = kept;
                return items;
            case JsonValue value when value.TryGetValue<string>(out var text):
                return Hide(text, besides) is var shown && shown == text ? value : JsonValue.Create(shown);
            default:
                return node;
        }
    }
}
