using System.Text;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;

namespace WornPath.Core.Revisions;

/// <summary>Hides torque values from who is to read them in their sources first.</summary>
public static partial class Blind
{
    /// <summary>What stands in the place of a value.</summary>
    public const string Hidden = "[to be read]";

    // Clamping force and its part of the proof load tell the torque to who knows the thread.
    [GeneratedRegex(@"\d[\d.,]*(?:\s*(?:–|-|to|±)\s*\d[\d.,]*)?\s*(?:kN|lbf|%)", RegexOptions.CultureInvariant)]
    private static partial Regex Force();

    /// <summary>A text with every torque in it hidden, and what goes on from it (angle, slot, force) as well.</summary>
    public static string Hide(string text)
    {
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

    /// <summary>An answer with every torque in its texts hidden, and the fields of these names, whatever they hold, left out.</summary>
    public static JsonNode? Hide(JsonNode? node, IReadOnlySet<string> leftOut)
    {
        switch (node)
        {
            case JsonObject fields:
                foreach (var (name, value) in fields.ToList())
                {
                    if (leftOut.Contains(name)) fields[name] = value is JsonArray ? new JsonArray() : value is JsonValue v && v.GetValueKind() == System.Text.Json.JsonValueKind.String ? (v.GetValue<string>().Length > 0 ? Hidden : "") : null;
                    else if (Hide(value, leftOut) is var kept && !ReferenceEquals(kept, value)) fields[name] = kept;
                }

                return fields;
            case JsonArray items:
                for (var i = 0; i < items.Count; i++)
                    if (Hide(items[i], leftOut) is var kept && !ReferenceEquals(kept, items[i])) items[i] = kept;
                return items;
            case JsonValue value when value.TryGetValue<string>(out var text):
                return Hide(text) is var shown && shown == text ? value : JsonValue.Create(shown);
            default:
                return node;
        }
    }
}
