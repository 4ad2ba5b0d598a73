using System.Collections.Immutable;
using System.Text.Json.Serialization;
using DiffPlex;
using DiffPlex.Chunkers;

namespace WornPath.Web;

/// <summary>What became of a run of words.</summary>
public enum WordMark
{
    [JsonStringEnumMemberName("same")] Same,
    [JsonStringEnumMemberName("gone")] Gone,
    [JsonStringEnumMemberName("new")] New,
}

/// <summary>A run of words of a step, before and after in one line.</summary>
public sealed record MarkedWords(WordMark Mark, string Text);

/// <summary>Marks what went and what came between two texts, by words.</summary>
public sealed class WordMarks
{
    // Comparing costs the product of both lengths at worst: beyond this, what stands between the same beginning and end is told as a whole.
    private const long MostCompared = 40_000_000;

    private long _compared;

    /// <summary>The words of both texts in one line.</summary>
    public ImmutableArray<MarkedWords> Of(string before, string after)
    {
        if (before == after) return before.Length == 0 ? [] : [new(WordMark.Same, before)];
        var marked = new List<MarkedWords>();
        _compared += (long)before.Length * after.Length / 25;
        if (_compared > MostCompared)
        {
            Whole(marked, before, after);
            return [.. marked];
        }

        var diff = Differ.Instance.CreateDiffs(before, after, false, false, new DelimiterChunker([' ', '\n', '\t', ',', '.', ';', ':', '(', ')']));
        var (old, now) = (0, 0);
        foreach (var block in diff.DiffBlocks)
        {
            Add(marked, WordMark.Same, diff.PiecesNew, now, block.InsertStartB);
            Add(marked, WordMark.Gone, diff.PiecesOld, block.DeleteStartA, block.DeleteStartA + block.DeleteCountA);
            Add(marked, WordMark.New, diff.PiecesNew, block.InsertStartB, block.InsertStartB + block.InsertCountB);
            (old, now) = (block.DeleteStartA + block.DeleteCountA, block.InsertStartB + block.InsertCountB);
        }

        Add(marked, WordMark.Same, diff.PiecesOld, old, diff.PiecesOld.Count);
        return [.. marked];
    }

    private static void Whole(List<MarkedWords> marked, string before, string after)
    {
        var same = 0;
        while (same < before.Length && same < after.Length && before[same] == after[same]) same++;
        var tail = 0;
        while (tail < before.Length - same && tail < after.Length - same && before[^(tail + 1)] == after[^(tail + 1)]) tail++;
        MarkedWords[] all = [new(WordMark.Same, before[..same]), new(WordMark.Gone, before[same..^tail]), new(WordMark.New, after[same..^tail]),
            new(WordMark.Same, before[^tail..])];
        marked.AddRange(all.Where(w => w.Text.Length > 0));
    }

    private static void Add(List<MarkedWords> marked, WordMark mark, IReadOnlyList<string> pieces, int from, int to)
    {
        if (from < to) marked.Add(new MarkedWords(mark, string.Concat(pieces.Skip(from).Take(to - from))));
    }
}
