using WornPath.Core.Sheets;

namespace WornPath.Core.Revisions;

/// <summary>Finds words again in a text that was edited.</summary>
public static class Following
{
    /// <summary>
    /// Where the words of an earlier text stand now. What is edited before or behind them leaves them; what is edited within them is part of
    /// them. Words that were moved are found where what stands around them is most like it was. Null where nothing of them is left.
    /// Linear in the two texts but for words that stand there often.
    /// </summary>
    public static Span? Of(string then, Span at, string now)
    {
        var words = at.Of(then);
        // What was not touched at the beginning and at the end of the text.
        var before = then.AsSpan().CommonPrefixLength(now);
        var behind = 0;
        while (behind < Math.Min(then.Length, now.Length) - before && then[^(behind + 1)] == now[^(behind + 1)]) behind++;
        if (at.End <= before) return at;
        if (at.Start >= then.Length - behind) return at with { Start = at.Start + now.Length - then.Length };
        var best = (Start: -1, Alike: -1);
        for (var i = now.IndexOf(words, StringComparison.Ordinal); i >= 0; i = now.IndexOf(words, i + 1, StringComparison.Ordinal))
            if (Alike(then, at, now, i) is var alike && alike > best.Alike) best = (i, alike);
        if (best.Start >= 0) return at with { Start = best.Start };
        // More was written anew than these words, and they are not among it.
        if (before < at.Start && behind < then.Length - at.End) return null;
        var start = Math.Min(at.Start, before);
        var end = now.Length - Math.Min(then.Length - at.End, behind);
        return end > start && !string.IsNullOrWhiteSpace(now[start..end]) ? new Span(start, end - start) : null;
    }

    // How many characters around the words are as they were, up to a line of them.
    private static int Alike(string then, Span at, string now, int start)
    {
        const int far = 80;
        var alike = 0;
        for (var k = 1; k <= far && k <= at.Start && k <= start && then[at.Start - k] == now[start - k]; k++) alike++;
        var end = start + at.Length;
        for (var k = 0; k < far && at.End + k < then.Length && end + k < now.Length && then[at.End + k] == now[end + k]; k++) alike++;
        return alike;
    }
}
