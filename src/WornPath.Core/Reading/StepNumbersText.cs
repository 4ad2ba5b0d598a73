using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Step numbers in words: "steps 6, 7 and 9 to 17".</summary>
internal static partial class StepNumbersText
{
    [GeneratedRegex(@"\bstep(?<many>s?)\s+(?<n>\d+(?:(?:\s*,\s*(?:and\s+)?(?:step\s+)?|\s+and\s+(?:step\s+)?|\s*(?:–|-|to|through|thru)\s*(?:step\s+)?)\d+)*)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Named();

    [GeneratedRegex(@"(?<first>\d+)(?:\s*(?:–|-|to|through|thru)\s*(?:step\s+)?(?<last>\d+))?", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Range();

    /// <summary>The steps a text names from a place on; null where it names none, or none there can be.</summary>
    public static StepNumbers? In(string text, int from) => Named().Match(text, from) is { Success: true } named
        ? StepNumbers.Of(Range().Matches(named.Groups["n"].Value).Select(r => (Number(r.Groups["first"]), Number(r.Groups["last"].Success ? r.Groups["last"] : r.Groups["first"]))))
        : null;

    /// <summary>True where a text names steps there cannot be: "step 0", "steps 9 to 5".</summary>
    public static bool NamesWhatCannotBe(string text) => Named().IsMatch(text) && In(text, 0) is null;

    /// <summary>The text with the numbers of the steps it names from a place on exchanged, each where it stands.</summary>
    public static string With(string text, int from, Func<(int First, int Last), (int First, int Last)> now)
    {
        if (Named().Match(text, from) is not { Success: true } named) return text;
        var group = named.Groups["n"];
        var numbers = Range().Replace(group.Value, range =>
        {
            var last = range.Groups["last"];
            var (first, end) = now((Number(range.Groups["first"]), Number(last.Success ? last : range.Groups["first"])));
            var between = range.Value[range.Groups["first"].Length..(last.Success ? last.Index - range.Index : range.Length)];
            // A step alone stays one unless others came between.
            return last.Success ? $"{first}{between}{end}" : first == end ? $"{first}" : $"{first} to {end}";
        });
        // "Step 5" that takes another in is "steps 4 to 5".
        var many = named.Groups["many"];
        var plural = many.Length == 0 && numbers.Any(c => !char.IsAsciiDigit(c)) ? "s" : many.Value;
        return string.Concat(text.AsSpan(0, many.Index), plural, text.AsSpan((many.Index + many.Length)..group.Index),
            numbers + text[(group.Index + group.Length)..]);
    }

    private static int Number(Group group) => int.TryParse(group.Value, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0;
}
