using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>Limits stand in JSON as their text.</summary>
public sealed class LimitJsonConverter() : TextJsonConverter<Limit>(Limit.Parse);

/// <summary>
/// The variants and sides something holds for: options of the sheet's <see cref="Factor"/>s. Of one factor any of the named will
/// do, of several factors one each must be there: "left, steel wheels" is the left side of a vehicle on steel wheels.
/// </summary>
[JsonConverter(typeof(LimitJsonConverter))]
public sealed class Limit : IEquatable<Limit>
{
    private Limit(ImmutableArray<string> options) => Options = options;

    /// <summary>The options, as named.</summary>
    public ImmutableArray<string> Options { get; }

    /// <summary>A limit of these options; null where there are none.</summary>
    public static Limit? Of(IEnumerable<string> options)
    {
        ImmutableArray<string> some = [.. options.Distinct(StringComparer.OrdinalIgnoreCase)];
        return some.IsEmpty ? null : new Limit(some);
    }

    /// <summary>True where it holds for a vehicle of these options, one of each factor.</summary>
    public bool Allows(ImmutableArray<Factor> factors, ImmutableArray<string> chosen)
    {
        for (var i = 0; i < factors.Length; i++)
        {
            var named = false;
            var hit = false;
            foreach (var option in Options)
            {
                if (!factors[i].Options.Contains(option, StringComparer.OrdinalIgnoreCase)) continue;
                named = true;
                hit |= option.Equals(chosen[i], StringComparison.OrdinalIgnoreCase);
            }

            if (named && !hit) return false;
        }

        return true;
    }

    /// <summary>The options no factor has.</summary>
    public IEnumerable<string> Unknown(ImmutableArray<Factor> factors) => Options.Where(o => !factors.Any(f => f.Options.Contains(o, StringComparer.OrdinalIgnoreCase)));

    /// <summary>Reads "left, steel wheels".</summary>
    public static Outcome<Limit> Parse(string text)
    {
        var options = text.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Select(Names.Clean).ToList();
        if (options.Count == 0) return new Problem("No option is named.", "Write the options it holds for, parted by commas, such as left, steel wheels.");
        if (options.Count > Factor.Most * Factor.MostOptions || options.Exists(o => o.Length > Names.Longest)) return new Problem($"“{NumberText.Excerpt(text)}” is too long.", "Name options of the header’s variants.");
        return Of(options)!;
    }

    public bool Equals(Limit? other) => other is not null && Options.SequenceEqual(other.Options, StringComparer.OrdinalIgnoreCase);

    public override bool Equals(object? obj) => Equals(obj as Limit);

    public override int GetHashCode() => Options.Aggregate(0, (hash, o) => HashCode.Combine(hash, StringComparer.OrdinalIgnoreCase.GetHashCode(o)));

    public override string ToString() => string.Join(", ", Options);
}
