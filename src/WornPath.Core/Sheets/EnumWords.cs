using System.Reflection;
using System.Text.Json.Serialization;

namespace WornPath.Core.Sheets;

/// <summary>Words of enumerations, as files and cells have them.</summary>
public static class EnumWord
{
    /// <summary>The word of a value.</summary>
    public static string Of<TEnum>(TEnum value)
        where TEnum : struct, Enum => EnumWords<TEnum>.Of(value);
}

/// <summary>The words of one enumeration.</summary>
internal static class EnumWords<TEnum>
    where TEnum : struct, Enum
{
    private static readonly (TEnum Value, string Word)[] Pairs = [.. Enum.GetValues<TEnum>().Select(v => (v, WordFor(v)))];

    public static readonly IReadOnlyList<string> All = [.. Pairs.Select(p => p.Word)];

    public static string Of(TEnum value) => Pairs.First(p => p.Value.Equals(value)).Word;

    public static TEnum? Find(string word)
    {
        foreach (var (value, known) in Pairs)
            if (known.Equals(word, StringComparison.OrdinalIgnoreCase)) return value;
        return null;
    }

    private static string WordFor(TEnum value) =>
        typeof(TEnum).GetField(value.ToString())!.GetCustomAttribute<JsonStringEnumMemberNameAttribute>()?.Name ?? value.ToString();
}
