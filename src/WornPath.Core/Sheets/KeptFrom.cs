using System.Globalization;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>What a value was taken from stands in JSON as its text.</summary>
public sealed class KeptFromJsonConverter() : TextJsonConverter<KeptFrom>(KeptFrom.Parse);

/// <summary>What a joint's value or a step was taken from in the workshop's library, and the version it had then: "T28 wheel nuts, v3".</summary>
/// <param name="Name">What the library calls it.</param>
/// <param name="Version">Its version, from 1.</param>
[JsonConverter(typeof(KeptFromJsonConverter))]
public sealed record KeptFrom(string Name, int Version)
{
    private const string Mark = ", v";

    /// <summary>Reads "T28 wheel nuts, v3".</summary>
    public static Outcome<KeptFrom> Parse(string text)
    {
        var clean = Names.Clean(text);
        var at = clean.LastIndexOf(Mark, StringComparison.OrdinalIgnoreCase);
        if (at > 0 && at <= Names.Longest
            && int.TryParse(clean[(at + Mark.Length)..], NumberStyles.None, CultureInfo.InvariantCulture, out var version) && version > 0)
            return new KeptFrom(clean[..at], version);
        return new Problem($"“{NumberText.Excerpt(text)}” names no version of what the workshop keeps.",
            "Choose it from what the workshop keeps, or write its name and version, such as T28 wheel nuts, v3.");
    }

    /// <summary>True where both are the same value, whatever their versions.</summary>
    public bool IsOf(string name) => Name.Equals(name, StringComparison.OrdinalIgnoreCase);

    public override string ToString() => string.Create(CultureInfo.InvariantCulture, $"{Name}{Mark}{Version}");
}
