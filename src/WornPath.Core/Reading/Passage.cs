using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>A stretch of a step's text that is said for the same variants and belongs to the same branch.</summary>
/// <param name="Start">Its first character, behind what leads it in.</param>
/// <param name="End">The character after its last.</param>
/// <param name="Only">The variants and sides it holds for; null for all.</param>
/// <param name="Branch">The branch it belongs to, from 1; 0 for none.</param>
/// <param name="IsAdvice">True where nothing is done: a note beside the step, a row of a table.</param>
internal sealed record Passage(int Start, int End, Limit? Only, int Branch, bool IsAdvice)
{
    /// <summary>True where words at a place are advice: said beside the step, and nothing is done by them.</summary>
    public bool Advises(Span at) => IsAdvice && Start <= at.Start && at.Start < End;

    /// <summary>Where it begins with what leads it in.</summary>
    public int From { get; init; } = Start;

    /// <summary>Warns of something, and what it speaks of is what the next words are of.</summary>
    public bool IsWarning { get; init; }
}

/// <summary>
/// Cuts a step's text into passages. A line "If it will not move: …" says what follows from a sign, "Or, if …: …" what is done
/// in place of the rest, "Should a bolt snap: …" what to know; a sentence that opens with variants or sides ("Left: …", "With steel
/// wheels, …") holds for those.
/// </summary>
internal static partial class Passages
{
    [GeneratedRegex(@"\G[ \t]*(?:(?<instead>or|otherwise|plan b)\b\s*[,:]?\s*)?if\s+(?<sign>[^:\n]{2,160}):", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex BranchLead();

    [GeneratedRegex(@"\G[ \t]*(?:(?<should>should\s+[^:\n]{2,160})|in trouble|trouble|(?<note>note|tip)|(?<signal>danger|warning|caution|notice|attention|beware)):", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex AdviceLead();

    [GeneratedRegex(@"\G[^\w\n]*(?<verb>\p{L}+)(?:[ \t]+(?<next>[\p{L}\d]+))?", RegexOptions.CultureInvariant)]
    private static partial Regex FirstWords();

    // "Oil the ring" tells, "oil may run out" does not: what is a noun as well takes something, somebody or how it is done.
    private static bool TellsFirst(string text, int at)
    {
        var words = FirstWords().Match(text, at);
        var verb = words.Groups["verb"].Value.ToLowerInvariant();
        var next = words.Groups["next"].Value.ToLowerInvariant();
        return Trade.IsBase(verb) && (!Trade.IsAlsoNoun(verb) || Trade.Determiners.Contains(next) || Trade.Pronouns.Contains(next)
            || Trade.New.Contains(next) || next is "not" or "with" or "by" || NumberWords.Parse(next) is not null);
    }

    [GeneratedRegex(@"[,.;]\s+(?:(?:then|and|first|also|please)\s+)*(?<verb>\p{L}+)\s+(?!(?:or|and)\b)\S", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex ToldBehindComma();

    // "If it is worn, measure the disc: at least 9 mm": the colon belongs to what is told, and the sign ends at the comma.
    private static bool TellsWork(string sign) => ToldBehindComma().Matches(sign).Any(m => Trade.IsBase(m.Groups["verb"].Value.ToLowerInvariant()));

    [GeneratedRegex(@"[.!?;](?=\s|$)", RegexOptions.CultureInvariant)]
    private static partial Regex SentenceEnd();

    [GeneratedRegex(@"^(?:(?:on|with|for|at|in)\s+)?(?:the\s+)?(?<o>.+?)(?:\s+(?:side|only))*$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Dressed();

    /// <summary>The passages of a text, and the branches it has.</summary>
    public static (List<Passage> Passages, ImmutableArray<Branch> Branches) Of(string text, ImmutableArray<Factor> factors)
    {
        var passages = new List<Passage>();
        var branches = ImmutableArray.CreateBuilder<Branch>();
        for (var start = 0; start <= text.Length;)
        {
            var end = text.IndexOf('\n', start);
            if (end < 0) end = text.Length;
            var line = text.AsSpan(start, end - start).Trim();
            var advice = AdviceLead().Match(text, start);
            if (advice.Groups["should"].Success && TellsWork(advice.Value)) advice = Match.Empty;
            // "Warning: set it on stands", "Note: torque the bolts" tells; "warning: hot oil may run out", "note: oil may run out" does not.
            var told = start;
            if ((advice.Groups["signal"].Success || advice.Groups["note"].Success) && TellsFirst(text, advice.Index + advice.Length))
            {
                told = advice.Index + advice.Length;
                passages.Add(new Passage(start, told, null, 0, true));
                advice = Match.Empty;
            }

            if (line.StartsWith("|") || advice.Success)
            {
                // A note is a sentence: "Note: there is not much room. Remove the cover." What goes wrong and its cure is the whole line.
                var noted = (advice.Groups["note"].Success || advice.Groups["signal"].Success)
                    && SentenceEnd().Match(text, advice.Index + advice.Length) is { Success: true } stop && stop.Index < end ? stop.Index + 1 : end;
                passages.Add(new Passage(start, noted, null, 0, true) { IsWarning = advice.Groups["signal"].Success });
                if (noted < end) Sentences(text, noted, end, factors, 0, passages);
            }
            else if (BranchLead().Match(text, start) is { Success: true } lead && lead.Index + lead.Length <= end && !TellsWork(lead.Groups["sign"].Value))
            {
                InCases(text, lead, end, factors, branches, passages);
            }
            else
            {
                Sentences(text, told, end, factors, 0, passages);
            }

            start = end + 1;
        }

        return (passages, branches.ToImmutable());
    }

    /// <summary>A text without the sentences that are for other variants and sides.</summary>
    public static string TextFor(string text, ImmutableArray<Factor> factors, ImmutableArray<string> chosen)
    {
        if (factors.IsEmpty) return text;
        var (passages, _) = Of(text, factors);
        if (passages.TrueForAll(p => p.Only is null || p.Only.Allows(factors, chosen))) return text;
        var kept = text;
        // From the end, so that the places before stay where they are.
        foreach (var passage in passages.Where(p => p.Only is not null && !p.Only.Allows(factors, chosen)).OrderByDescending(p => p.From)) kept = kept.Remove(passage.From, passage.End - passage.From);
        return kept.Trim();
    }

    // "If it is dry: leave it. If it leaks: replace it.": a case each, to the end of the line or the next sign.
    private static void InCases(string text, Match lead, int end, ImmutableArray<Factor> factors, ImmutableArray<Branch>.Builder branches,
        List<Passage> passages)
    {
        for (var (from, told) = (lead.Index, lead.Index + lead.Length); ;)
        {
            var (next, other) = NextSign(text, told, end);
            branches.Add(new Branch(lead.Groups["sign"].Value.Trim(), lead.Groups["instead"].Success, new Span(from, next - from)));
            Sentences(text, told, next, factors, branches.Count, passages);
            // "If it leaks, replace it" has its sign in the sentence.
            if (other is null && next < end) Sentences(text, next, end, factors, 0, passages);
            if (other is null) return;
            (lead, from, told) = (other, next, other.Index + other.Length);
        }
    }

    // Where another sentence begins with a sign of its own, and its lead where it ends with a colon; the end where none does.
    private static (int At, Match? Lead) NextSign(string text, int from, int end)
    {
        for (var stop = SentenceEnd().Match(text, from, end - from); stop.Success; stop = stop.NextMatch())
        {
            var at = stop.Index + 1;
            if (!OpensWithIf().IsMatch(text.AsSpan(at, end - at))) continue;
            return BranchLead().Match(text, at) is { Success: true } lead && lead.Index + lead.Length <= end && !TellsWork(lead.Groups["sign"].Value)
                ? (at, lead) : (at, null);
        }

        return (end, null);
    }

    [GeneratedRegex(@"^[ \t]+(?:otherwise\s*,?\s*)?if\s", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex OpensWithIf();

    private static void Sentences(string text, int from, int to, ImmutableArray<Factor> factors, int branch, List<Passage> passages)
    {
        if (factors.IsEmpty)
        {
            passages.Add(new Passage(from, to, null, branch, false));
            return;
        }

        while (from < to)
        {
            var stop = SentenceEnd().Match(text, from, to - from);
            var end = stop.Success ? stop.Index + 1 : to;
            var (only, start) = Lead(text, from, end, factors);
            passages.Add(new Passage(start, end, only, branch, false) { From = from });
            from = end;
        }
    }

    // The variants a sentence opens with, and where what it says of them begins.
    private static (Limit? Only, int Start) Lead(string text, int from, int to, ImmutableArray<Factor> factors)
    {
        var sentence = text.AsSpan(from, to - from);
        (Limit? Only, int Start) lead = (null, from);
        // A list may go on ("left, steel wheels: …"): the longest that names nothing but options.
        for (var at = sentence.IndexOfAny(':', ','); at > 0;)
        {
            if (OptionsOf(sentence[..at].ToString(), factors) is not { } only) break;
            lead = (only, from + at + 1);
            var next = sentence[(at + 1)..].IndexOfAny(':', ',');
            if (sentence[at] == ':' || next < 0) break;
            at += next + 1;
        }

        return lead;
    }

    private static Limit? OptionsOf(string words, ImmutableArray<Factor> factors)
    {
        var found = new List<string>();
        foreach (var piece in words.Replace(" and ", ",", StringComparison.OrdinalIgnoreCase).Replace(" or ", ",", StringComparison.OrdinalIgnoreCase).Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var option = Named(piece, factors) ?? (Dressed().Match(piece) is { Success: true } bare ? Named(bare.Groups["o"].Value, factors) : null);
            if (option is null) return null;
            found.Add(option);
        }

        return Limit.Of(found);
    }

    private static string? Named(string word, ImmutableArray<Factor> factors)
    {
        foreach (var factor in factors)
            foreach (var option in factor.Options)
                if (option.Equals(word, StringComparison.OrdinalIgnoreCase)) return option;
        return null;
    }
}
