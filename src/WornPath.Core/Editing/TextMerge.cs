using WornPath.Core.Reading;

namespace WornPath.Core.Editing;

/// <summary>
/// Brings two texts together that were written from one at the same time: what one of them left as it was is taken from the other, sentence by
/// sentence. Two new sentences at one place both stand, theirs first. Time is in proportion to the square of the number of sentences.
/// </summary>
public static class TextMerge
{
    // A sentence, or a row of a table, and the blanks behind it.
    private readonly record struct Piece(string Text, string Gap);

    /// <summary>The text of both; null where both changed the same sentence.</summary>
    /// <param name="before">What both were written from.</param>
    /// <param name="theirs">What stands now.</param>
    /// <param name="yours">What is to be taken in.</param>
    public static string? Of(string before, string theirs, string yours)
    {
        var (was, there, here) = (PiecesOf(before), PiecesOf(theirs), PiecesOf(yours));
        var (kept, held) = (Matches(was, there), Matches(was, here));
        var made = new List<Piece>();
        var (b, t, y) = (0, 0, 0);
        while (true)
        {
            // Up to the next sentence that both left alone.
            var stays = b;
            while (stays < was.Count && !(kept[stays] >= t && held[stays] >= y)) stays++;
            var (toT, toY) = stays < was.Count ? (kept[stays], held[stays]) : (there.Count, here.Count);
            if (Between(was[b..stays], there[t..toT], here[y..toY]) is not { } between) return null;
            made.AddRange(between);
            if (stays == was.Count) break;
            // What stands between two sentences is taken from who changed it.
            made.Add(here[toY].Gap != was[stays].Gap ? here[toY] : there[toT]);
            (b, t, y) = (stays + 1, toT + 1, toY + 1);
        }

        return string.Concat(made.Select((p, i) => p.Text + (i + 1 < made.Count && p.Gap.Length == 0 ? " " : i + 1 == made.Count
            ? p.Gap.TrimEnd(' ') : p.Gap)));
    }

    private static List<Piece>? Between(List<Piece> was, List<Piece> there, List<Piece> here)
    {
        if (Same(was, here)) return there;
        if (Same(was, there) || Same(there, here)) return here;
        if (was.Count == 0) return [.. there, .. here];
        if (was.Count != there.Count || was.Count != here.Count) return null;
        var made = new List<Piece>();
        for (var i = 0; i < was.Count; i++)
        {
            if (there[i].Text != was[i].Text && here[i].Text != was[i].Text && there[i].Text != here[i].Text) return null;
            made.Add(here[i].Text != was[i].Text ? here[i] : there[i]);
        }

        return made;
    }

    private static bool Same(List<Piece> one, List<Piece> other) => one.Count == other.Count && !one.Where((p, i) => p.Text != other[i].Text).Any();

    // For each piece the one of the other text that is the same, in order, as many as there can be; -1 for none.
    private static int[] Matches(List<Piece> one, List<Piece> other)
    {
        var longest = new int[one.Count + 1, other.Count + 1];
        for (var i = one.Count - 1; i >= 0; i--)
            for (var j = other.Count - 1; j >= 0; j--)
                longest[i, j] = one[i].Text == other[j].Text ? longest[i + 1, j + 1] + 1 : Math.Max(longest[i + 1, j], longest[i, j + 1]);
        var matches = new int[one.Count];
        for (int i = 0, j = 0; i < one.Count; i++)
        {
            while (j < other.Count && one[i].Text != other[j].Text && longest[i, j + 1] == longest[i, j]) j++;
            matches[i] = j < other.Count && one[i].Text == other[j].Text && longest[i, j] == longest[i + 1, j + 1] + 1 ? j++ : -1;
        }

        return matches;
    }

    private static List<Piece> PiecesOf(string text)
    {
        var ends = Sentences.Of(text).SelectMany(s => (int[])[s.Start, s.End]).ToList();
        // What is between two sentences and no blank is a piece of its own: a row of a table.
        ends.Add(0);
        ends.Add(text.Length);
        ends = [.. ends.Distinct().Order()];
        var pieces = new List<Piece>();
        for (var i = 0; i + 1 < ends.Count; i++)
        {
            var part = text[ends[i]..ends[i + 1]];
            var words = part.Trim();
            if (words.Length == 0)
            {
                if (pieces.Count > 0) pieces[^1] = pieces[^1] with { Gap = pieces[^1].Gap + part };
                continue;
            }

            var lead = part[..part.IndexOf(words, StringComparison.Ordinal)];
            if (lead.Length > 0 && pieces.Count > 0) pieces[^1] = pieces[^1] with { Gap = pieces[^1].Gap + lead };
            pieces.Add(new Piece(words, part[(lead.Length + words.Length)..]));
        }

        return pieces;
    }
}
