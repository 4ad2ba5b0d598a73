namespace WornPath.Core.Sheets;

/// <summary>A word the workshop taught: what a noun names, or what a verb comes to.</summary>
/// <param name="Word">The word or words, lower case: "cowl", "nip up".</param>
/// <param name="Kind">The kind of thing it names; null where it is a verb.</param>
/// <param name="Verb">What is done where it is said; null where it is a noun.</param>
public sealed record HouseWord(string Word, ThingKind? Kind, Verb? Verb)
{
    /// <summary>More words than a workshop teaches.</summary>
    public const int Most = 500;

    private const int Longest = 40;

    /// <summary>A word as it is kept; or what is wrong with it.</summary>
    public static Outcome<HouseWord> Check(HouseWord word)
    {
        var text = Names.Clean(word.Word).ToLowerInvariant();
        if (text.Length is 0 or > Longest || !text.All(c => char.IsLetterOrDigit(c) || c is ' ' or '-' or '’' or '\''))
            return new Problem($"“{Quantities.NumberText.Excerpt(word.Word)}” is no word.", $"Write one to three words of at most {Longest} letters.");
        if (word.Kind is null == word.Verb is null) return new Problem($"“{text}” is neither said to be a thing nor to be done.",
            "Say what kind of thing it is, or what is done.");
        return word with { Word = text };
    }

    /// <summary>The words of one list and those of another; where a word stands in both, the other's.</summary>
    public static System.Collections.Immutable.ImmutableArray<HouseWord> Together(IEnumerable<HouseWord> one, IEnumerable<HouseWord> other) =>
        [.. one.Concat(other).GroupBy(w => w.Word).Select(g => g.Last()).OrderBy(w => w.Word, StringComparer.Ordinal)];
}
