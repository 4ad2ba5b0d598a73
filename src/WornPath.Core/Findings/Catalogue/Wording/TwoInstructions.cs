using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD004: a sentence gives two instructions (ASD-STE100, one instruction a sentence, from memory).</summary>
public sealed partial class TwoInstructions : SentenceRule
{
    public override RuleInfo Info { get; } = new("WRD004", Severity.Hint, "Two instructions in one sentence");

    [GeneratedRegex(@",? (?:and then|then|and) (?<verb>\p{L}+(?:-\p{L}+)?) (?<next>\p{L}+|\d)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Joint();

    [GeneratedRegex(@"^(?:if|when|once|while|with|before|after|on|for|or)\b|:", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex LedIn();

    /// <summary>A sentence cut in two where its second instruction begins; null where it has one alone.</summary>
    internal static (string First, string Second)? Cut(string sentence)
    {
        var first = sentence.Split(' ', 2)[0].ToLowerInvariant();
        if (!Trade.IsBase(first)) return null;
        foreach (Match match in Joint().Matches(sentence))
        {
            var verb = match.Groups["verb"].Value.ToLowerInvariant();
            if (!Trade.IsBase(verb)) continue;
            var next = match.Groups["next"].Value.ToLowerInvariant();
            // "The bolts and nut plates": a noun unless an object follows.
            if (Trade.IsAlsoNoun(verb) && !Trade.Determiners.Contains(next) && !Trade.Pronouns.Contains(next) && !Trade.New.Contains(next)) continue;
            return (sentence[..match.Index].TrimEnd(',', ' '), sentence[match.Groups["verb"].Index..]);
        }

        return null;
    }

    protected override (string Message, string? Rewrite)? Look(string sentence, ImmutableArray<Term> terms)
    {
        if (!sentence.Contains(" and ", StringComparison.OrdinalIgnoreCase) && !sentence.Contains(" then ", StringComparison.OrdinalIgnoreCase)) return null;
        if (LedIn().IsMatch(sentence)) return null;
        if (Cut(sentence) is not var (first, second)) return null;
        return ("Two instructions in one sentence: with a wrench in hand the second is missed. One instruction a sentence.", $"{first}. {Sentences.Capital(second)}");
    }
}
