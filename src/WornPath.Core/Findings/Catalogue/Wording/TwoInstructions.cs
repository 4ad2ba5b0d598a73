using System.Buffers;
using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD004: a sentence gives two instructions (ASD-STE100, one instruction a sentence, from memory).</summary>
public sealed partial class TwoInstructions : SentenceRule
{
    public override RuleInfo Info { get; } = new("WRD004", Severity.Hint, "Two instructions in one sentence");

    [GeneratedRegex(@"^(?:if|when|once|while|with|before|after|on|for|or)\b|:", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex LedIn();

    /// <summary>A sentence cut in two where its second instruction begins; null where it has one alone.</summary>
    internal static (string First, string Second)? Cut(string sentence)
    {
        var end = sentence.IndexOf(' ', StringComparison.Ordinal);
        if (end < 0 || !Trade.IsBase(sentence[..end].ToLowerInvariant())) return null;
        for (var at = sentence.AsSpan().IndexOfAny(Joins); at >= 0; at = Next(sentence, at + 1))
        {
            // "…, and then take the bolt": the words that join, the verb, and what follows it.
            var from = at + (sentence[at + 1] is 'a' or 'A' ? " and ".Length : " then ".Length);
            if (sentence.AsSpan(from).StartsWith("then ", StringComparison.OrdinalIgnoreCase)) from += "then ".Length;
            var verb = WordAt(sentence, from);
            var next = WordAt(sentence, from + verb.Length + 1);
            if (next.Length == 0 || !Trade.IsBase(verb)) continue;
            // "The bolts and nut plates": a noun unless an object follows.
            if (Trade.IsAlsoNoun(verb) && !Trade.Determiners.Contains(next) && !Trade.Pronouns.Contains(next) && !Trade.New.Contains(next)) continue;
            return (sentence[..at].TrimEnd(',', ' '), sentence[from..]);
        }

        return null;
    }

    private static int Next(string sentence, int from)
    {
        var at = sentence.AsSpan(from).IndexOfAny(Joins);
        return at < 0 ? -1 : from + at;
    }

    // Small letters, with a hyphen between them, or figures; nothing where no word stands right there.
    private static string WordAt(string sentence, int from)
    {
        var to = from;
        while (to < sentence.Length && (char.IsLetterOrDigit(sentence[to]) || (to > from && sentence[to] == '-'))) to++;
        return to <= from ? "" : sentence[from..to].ToLowerInvariant();
    }

    private static readonly SearchValues<string> Joins = SearchValues.Create([" and ", " then "], StringComparison.OrdinalIgnoreCase);

    protected override bool MayConcern(ReadOnlySpan<char> sentence, ImmutableArray<Term> terms) => sentence.ContainsAny(Joins);

    protected override (string Message, string? Rewrite)? Look(string sentence, ImmutableArray<Term> terms)
    {
        if (LedIn().IsMatch(sentence)) return null;
        if (Cut(sentence) is not var (first, second)) return null;
        return ("Two instructions in one sentence: with a wrench in hand the second is missed. One instruction a sentence.", $"{first}. {Sentences.Capital(second)}");
    }
}
