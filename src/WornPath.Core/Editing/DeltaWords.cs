using System.Text.Json;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>What an edit changed, as the record shows it behind its label: the words and values before and after, as they stood then.</summary>
public static class DeltaWords
{
    private const int Most = 4;
    private const int Longest = 160;

    /// <summary>What was changed, in short; empty where its label says all.</summary>
    public static string Of(Delta delta)
    {
        List<string> said = [];
        foreach (var change in delta.Changes)
        {
            if (change.Slot == Slots.Issued || Words(change) is not { Length: > 0 } words || said.Contains(words)) continue;
            if (said.Count == Most) return string.Join("; ", said) + "; …";
            said.Add(words);
        }

        return string.Join("; ", said);
    }

    private static string Words(Change change)
    {
        // What came or went: a step by its text, a thing by its id and name.
        if (change.Field is null)
        {
            var (there, sign) = change.After is { } after ? (after, "") : (change.Before, "gone: ");
            var name = Text(there, "text") ?? Text(there, "name");
            return name is null ? "" : change.Slot is Slots.Step or Slots.Phase ? $"{sign}“{Short(name)}”"
                : $"{(sign.Length == 0 ? "new: " : sign)}{change.Id} {Short(name)}";
        }

        // What is read from words follows from them; an answer and a figure are told by the label, a former name by the new one.
        if (FieldWords.IsRead(change.Field) || change.Field is "settled" or "said" or "shows" or "alsoCalled") return "";
        var (was, now) = (Plain(change.Before), Plain(change.After));
        if (was is null && now is null) return "";
        var what = change.Slot is Slots.Step or Slots.Phase || change.Id.Length == 0 ? change.Field is "text" or "name" ? "" : change.Field + " "
            : $"{change.Id} {change.Field} ";
        return (was, now) switch
        {
            (null or "", _) => $"{what}“{Short(now ?? "")}”",
            (_, null or "") => $"{what}“{Short(was)}” taken out",
            _ => $"{what}“{Short(was)}” → “{Short(now)}”",
        };
    }

    private static string? Text(JsonElement? value, string member) =>
        value is { ValueKind: JsonValueKind.Object } whole && whole.TryGetProperty(member, out var text) ? Plain(text) : null;

    private static string? Plain(JsonElement? value) => value switch
    {
        { ValueKind: JsonValueKind.String } text => text.GetString(),
        { ValueKind: JsonValueKind.Number or JsonValueKind.True or JsonValueKind.False } plain => plain.GetRawText(),
        { ValueKind: JsonValueKind.Array } list => Joined("; ", list.EnumerateArray()),
        { ValueKind: JsonValueKind.Object } whole => Joined(", ", whole.EnumerateObject().Select(m => m.Value)),
        _ => null,
    };

    private static string Joined(string between, IEnumerable<JsonElement> values) =>
        string.Join(between, values.Select(v => Plain(v)).Where(p => !string.IsNullOrEmpty(p)));

    // Not between the two halves of a character.
    private static string Short(string text) => text.Length <= Longest ? text : text[..(char.IsHighSurrogate(text[Longest - 1]) ? Longest - 1 : Longest)] + "…";
}
