using System.Collections.Immutable;
using WornPath.Core.Reading;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD003: a sentence of an instruction is longer than twenty words (ASD-STE100, rule for procedures, from memory).</summary>
public sealed class LongSentence : SentenceRule
{
    /// <summary>The most words of a sentence that instructs.</summary>
    public const int MostWords = 20;

    public override RuleInfo Info { get; } = new("WRD003", Severity.Hint, "Long sentence");

    protected override bool MayConcern(ReadOnlySpan<char> sentence, ImmutableArray<Term> terms) =>
        sentence.Length >= MostWords * 2 && sentence.Count(' ') >= MostWords;

    protected override (string Message, string? Rewrite)? Look(string sentence, ImmutableArray<Term> terms)
    {
        var words = sentence.Split(' ', StringSplitOptions.RemoveEmptyEntries).Count(w => w.Any(char.IsLetter));
        if (words <= MostWords) return null;
        return ($"A sentence of {words} words; twenty are what a reader keeps with a wrench in hand. Split it: one instruction a sentence.",
            TwoInstructions.Cut(sentence) is var (first, second) ? $"{first}. {Sentences.Capital(second)}" : null);
    }
}
