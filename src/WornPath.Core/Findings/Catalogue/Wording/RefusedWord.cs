using System.Buffers;
using System.Collections.Immutable;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD008: a word the workshop does not write; its terms list has another for it.</summary>
public sealed class RefusedWord : SentenceRule
{
    public override RuleInfo Info { get; } = new("WRD008", Severity.Hint, "Word the workshop does not use");

    // All refused words at once: most sentences have none.
    private sealed record Search(ImmutableArray<Term> Terms, SearchValues<string> Words);

    private Search? _search;

    protected override bool MayConcern(ReadOnlySpan<char> sentence, ImmutableArray<Term> terms)
    {
        var search = _search;
        if (search is null || search.Terms != terms)
            _search = search = new Search(terms, SearchValues.Create([.. terms.Select(t => t.Refused)], StringComparison.OrdinalIgnoreCase));
        return sentence.ContainsAny(search.Words);
    }

    protected override (string Message, string? Rewrite)? Look(string sentence, ImmutableArray<Term> terms)
    {
        foreach (var term in terms)
        {
            for (var at = sentence.IndexOf(term.Refused, StringComparison.OrdinalIgnoreCase); at >= 0; at = sentence.IndexOf(term.Refused, at + 1, StringComparison.OrdinalIgnoreCase))
            {
                var end = at + term.Refused.Length;
                if (at > 0 && char.IsLetterOrDigit(sentence[at - 1])) continue;
                // Its plural is the same word.
                if (end < sentence.Length && sentence[end] == 's') end++;
                if (end < sentence.Length && char.IsLetterOrDigit(sentence[end])) continue;
                var plural = end - at > term.Refused.Length ? "s" : "";
                var preferred = at == 0 ? Reading.Sentences.Capital(term.Preferred) : term.Preferred;
                return ($"This workshop writes “{term.Preferred}” for “{term.Refused}”: one word for one thing.", $"{sentence[..at]}{preferred}{plural}{sentence[end..]}");
            }
        }

        return null;
    }
}
