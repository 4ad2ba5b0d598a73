using System.Collections.Immutable;

namespace WornPath.Core.Reading;

/// <summary>The words of the trade that are worth finishing for somebody who types: verbs, nouns and the longer small words.</summary>
public static class UsualWords
{
    /// <summary>Shorter ones are typed sooner than they are read.</summary>
    private const int Shortest = 5;

    /// <summary>Each once, in lower case; of several that begin alike the shorter first.</summary>
    public static ImmutableArray<string> All { get; } =
        [.. Trade.NounsAsWritten.Concat(Trade.VerbsAsWritten).Concat(Trade.SmallWords).Where(w => w.Length >= Shortest && w.All(c => char.IsAsciiLetterLower(c) || c is '-' or ' '))
            .Distinct().OrderBy(w => w.Length).ThenBy(w => w, StringComparer.Ordinal)];
}
