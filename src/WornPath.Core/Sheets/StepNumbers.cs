using System.Collections.Immutable;
using System.Globalization;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>Step numbers stand in JSON as their text.</summary>
public sealed class StepNumbersJsonConverter() : TextJsonConverter<StepNumbers>(StepNumbers.Parse);

/// <summary>Steps as a reader of the sheet counts them: "6, 7, 9–17". Equal where the ranges are.</summary>
[JsonConverter(typeof(StepNumbersJsonConverter))]
public sealed class StepNumbers : IEquatable<StepNumbers>
{
    private StepNumbers(ImmutableArray<(int First, int Last)> ranges) => Ranges = ranges;

    /// <summary>From which step to which, both included, from 1.</summary>
    public ImmutableArray<(int First, int Last)> Ranges { get; }

    /// <summary>The highest number named.</summary>
    public int Highest => Ranges.Max(r => r.Last);

    /// <summary>Steps of these ranges; null where there are none, or one runs backwards.</summary>
    public static StepNumbers? Of(IEnumerable<(int First, int Last)> ranges)
    {
        ImmutableArray<(int First, int Last)> all = [.. ranges];
        return all.IsEmpty || all.Any(r => r.First < 1 || r.Last < r.First || r.Last > SheetSize.MostSteps) ? null : new StepNumbers(all);
    }

    /// <summary>Reads "6, 7, 9–17".</summary>
    public static Outcome<StepNumbers> Parse(string text)
    {
        var ranges = new List<(int First, int Last)>();
        foreach (var piece in text.Split(',', StringSplitOptions.TrimEntries))
        {
            var ends = piece.Split('–', '-');
            if (ends.Length > 2 || !ends.All(e => int.TryParse(e, NumberStyles.None, CultureInfo.InvariantCulture, out _))) return Wrong(text);
            ranges.Add((int.Parse(ends[0], CultureInfo.InvariantCulture), int.Parse(ends[^1], CultureInfo.InvariantCulture)));
        }

        return Of(ranges) is { } steps ? steps : Wrong(text);
    }

    private static Problem Wrong(string text) => new($"“{NumberText.Excerpt(text)}” names no steps.", "Write numbers and ranges, such as 6, 7, 9–17.");

    /// <summary>True where a step is among them, by its number from 1.</summary>
    public bool Has(int number) => Ranges.Any(r => r.First <= number && number <= r.Last);

    public bool Equals(StepNumbers? other) => other is not null && Ranges.SequenceEqual(other.Ranges);

    public override bool Equals(object? obj) => Equals(obj as StepNumbers);

    public override int GetHashCode() => Ranges.Aggregate(0, (hash, r) => HashCode.Combine(hash, r));

    public override string ToString() => string.Join(", ", Ranges.Select(r => r.First == r.Last ? $"{r.First}" : $"{r.First}–{r.Last}"));
}
