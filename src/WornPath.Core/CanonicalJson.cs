using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace WornPath.Core;

/// <summary>
/// JSON in the one way it can be written, so that its hash is the same wherever it is made: members in the order of their names, no blanks,
/// numbers and texts as ECMAScript writes them. RFC 8785, JSON Canonicalization Scheme.
/// </summary>
public static class CanonicalJson
{
    /// <summary>The bytes of a value, in UTF-8.</summary>
    /// <exception cref="ArgumentException">A number is none that JSON has, or a text is no Unicode.</exception>
    public static byte[] Of(JsonNode? node)
    {
        var text = new StringBuilder();
        Write(text, node);
        return new UTF8Encoding(false, throwOnInvalidBytes: true).GetBytes(text.ToString());
    }

    private static void Write(StringBuilder to, JsonNode? node)
    {
        switch (node)
        {
            case null:
                to.Append("null");
                break;
            case JsonArray items:
                to.Append('[');
                for (var i = 0; i < items.Count; i++)
                {
                    if (i > 0) to.Append(',');
                    Write(to, items[i]);
                }

                to.Append(']');
                break;
            case JsonObject members:
                to.Append('{');
                var first = true;
                // By UTF-16 code units, which is what ordinal compares.
                foreach (var (name, value) in members.OrderBy(m => m.Key, StringComparer.Ordinal))
                {
                    if (!first) to.Append(',');
                    first = false;
                    Text(to, name);
                    to.Append(':');
                    Write(to, value);
                }

                to.Append('}');
                break;
            default:
                switch (node.GetValueKind())
                {
                    case JsonValueKind.String:
                        Text(to, node.GetValue<string>());
                        break;
                    case JsonValueKind.Number:
                        to.Append(Number(double.Parse(node.ToJsonString(), NumberStyles.Float, CultureInfo.InvariantCulture)));
                        break;
                    default:
                        to.Append(node.ToJsonString());
                        break;
                }

                break;
        }
    }

    private static void Text(StringBuilder to, string text)
    {
        to.Append('"');
        foreach (var c in text)
            _ = c switch
            {
                '"' => to.Append("\\\""),
                '\\' => to.Append("\\\\"),
                '\b' => to.Append("\\b"),
                '\t' => to.Append("\\t"),
                '\n' => to.Append("\\n"),
                '\f' => to.Append("\\f"),
                '\r' => to.Append("\\r"),
                < ' ' => to.Append(CultureInfo.InvariantCulture, $"\\u{(int)c:x4}"),
                _ => to.Append(c),
            };
        to.Append('"');
    }

    /// <summary>A number as ECMAScript writes it (ECMA-262, Number::toString): the fewest digits that come back to it.</summary>
    public static string Number(double value)
    {
        if (!double.IsFinite(value)) throw new ArgumentException("JSON has no such number.", nameof(value));
        if (value == 0) return "0";
        var sign = value < 0 ? "-" : "";
        // "123.45", "0.00012", "1.5E-07": the fewest digits that tell it from its neighbours, and how many stand before the point.
        var parts = Math.Abs(value).ToString("R", CultureInfo.InvariantCulture).Split('E');
        var whole = parts[0].Split('.')[0].TrimStart('0');
        var rest = parts[0].Contains('.', StringComparison.Ordinal) ? parts[0].Split('.')[1] : "";
        var before = (whole.Length > 0 ? whole.Length : rest.TrimStart('0').Length - rest.Length)
            + (parts.Length > 1 ? int.Parse(parts[1], CultureInfo.InvariantCulture) : 0);
        var digits = (whole + rest).TrimStart('0').TrimEnd('0');
        return sign + (before switch
        {
            _ when digits.Length <= before && before <= 21 => digits + new string('0', before - digits.Length),
            > 0 and <= 21 => $"{digits[..before]}.{digits[before..]}",
            > -6 and <= 0 => $"0.{new string('0', -before)}{digits}",
            _ => $"{digits[0]}{(digits.Length > 1 ? "." + digits[1..] : "")}e{(before > 0 ? "+" : "-")}{Math.Abs(before - 1).ToString(CultureInfo.InvariantCulture)}",
        });
    }
}
