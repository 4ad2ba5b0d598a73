using System.Collections.Frozen;
using System.Text.RegularExpressions;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Something a step's words say beside what is done.</summary>
/// <param name="Kind">What.</param>
/// <param name="At">The words.</param>
/// <param name="Denied">True where it is said not to be so: "do not turn the hub".</param>
internal readonly record struct Claim(ClaimKind Kind, Span At, bool Denied);

/// <summary>
/// Finds what words say beside what is done, by the patterns of Reading/Trade/claims.txt. It hangs on the text alone and is found
/// once a step: rules and cautions ask here and search no prose of their own.
/// </summary>
internal static partial class Claims
{
    private const int WidestGap = 3;
    private const int WidestWideGap = 24;
    private const int ShortestPrefix = 4;
    private const string DenyingWords =
        "don't don’t doesn't doesn’t isn't isn’t aren't aren’t wasn't wasn’t needn't needn’t mustn't mustn’t shouldn't shouldn’t cannot can't can’t won't won’t";

    private static readonly Memo<Step, Claim[]> Known = new(step => Find(step.Text));

    private static readonly FrozenDictionary<string, ClaimPattern[]> Patterns = Load();
    private static readonly FrozenDictionary<string, ClaimPattern[]>.AlternateLookup<ReadOnlySpan<char>> ByWord =
        Patterns.GetAlternateLookup<ReadOnlySpan<char>>();
    private static readonly FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> Breaks =
        Words("and but then or until before unless so").GetAlternateLookup<ReadOnlySpan<char>>();
    private static readonly FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> Denials =
        Words("not never no without nobody " + DenyingWords).GetAlternateLookup<ReadOnlySpan<char>>();
    private static readonly FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> DenyingVerbs =
        Words(DenyingWords).GetAlternateLookup<ReadOnlySpan<char>>();
    private static readonly FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> Shortened =
        Words("fig figs no nos").GetAlternateLookup<ReadOnlySpan<char>>();
    private static readonly FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> Verbs =
        Words("is are was were be need needs do does has have must may should can will").GetAlternateLookup<ReadOnlySpan<char>>();

    // Sizes and classes are known by their shape. Property classes of ISO 898-1 as they stand on a head, grades of SAE J429 with the word before them.
    [GeneratedRegex(@"(?<![\w.,/])(?<size>\d{1,2}(?:\.5)?\s?mm|\d{1,2}/\d{1,2}\s?(?:in(?:ch)?|""|″)?|[TE]-?\d{1,2})(?:\s+(?:deep|long|thin|short|impact|hex(?:agon)?|lobed|12-point|six-point|swivel))*[\s-]+(?:socket|wrench|spanner|key|bit|crow-?foot|ring)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex ToolSize();

    [GeneratedRegex(@"(?<![\d.,])" + PropertyClass.MetricPattern + @"(?![\d.,]*\d)(?!\s*(?:mm|cm|m|in|N|lb|kg|bar|L|°|minutes?|min))|\bgrade\s+[1258]\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Class();

    // A word of a text: where it stands, and which clause and sentence it belongs to.
    private readonly record struct Word(int Start, int Length, int Clause, int Sentence, bool MarkFollows)
    {
        public ReadOnlySpan<char> Of(string text) => text.AsSpan(Start, Length);
    }

    [ThreadStatic]
    private static List<Word>? _words;

    /// <summary>All that a step's words say, in their order.</summary>
    public static ReadOnlySpan<Claim> Of(Step step) => Known.Of(step);

    /// <summary>True where a step's words say something of a kind, and do not deny it.</summary>
    public static bool Says(Step step, ClaimKind kind) => First(step, kind) is { Denied: false };

    /// <summary>True where the clause of an action says something of a kind, and does not deny it.</summary>
    public static bool Says(Step step, StepAction action, ClaimKind kind)
    {
        foreach (var claim in Known.Of(step))
            if (claim.Kind == kind && !claim.Denied && action.In.Begins(claim.At)) return true;
        return false;
    }

    /// <summary>The first of a kind that is said and not denied; else the first that is denied; null where neither is.</summary>
    public static Claim? First(Step step, ClaimKind kind)
    {
        Claim? denied = null;
        foreach (var claim in Known.Of(step))
        {
            if (claim.Kind != kind) continue;
            if (!claim.Denied) return claim;
            denied ??= claim;
        }

        return denied;
    }

    /// <summary>All of a kind that are said and not denied.</summary>
    public static IEnumerable<Claim> All(Step step, ClaimKind kind) => All(step, kind, kind);

    /// <summary>All of either kind that are said and not denied, in their order.</summary>
    public static IEnumerable<Claim> All(Step step, ClaimKind one, ClaimKind other) =>
        Known.Of(step) is { Length: > 0 } claims ? claims.Where(c => (c.Kind == one || c.Kind == other) && !c.Denied) : [];

    /// <summary>True where a step's words speak of "the new" one of a thing; "the new manifold gasket" is no new manifold.</summary>
    public static bool SpeaksOfNew(Step step, Thing thing, Sheet sheet) => IsCalledNew(step, thing)
        && !sheet.Things.Any(t => t.Name.StartsWith(thing.Name + ' ', StringComparison.OrdinalIgnoreCase) && IsCalledNew(step, t));

    private static bool IsCalledNew(Step step, Thing thing) => step.Text.Contains($"the new {thing.Name}", StringComparison.OrdinalIgnoreCase);

    /// <summary>All that a text says.</summary>
    internal static Claim[] Find(string text)
    {
        var words = Cut(text);
        List<Claim>? found = null;
        for (var i = 0; i < words.Count; i++)
        {
            var word = words[i].Of(text);
            if (ByWord.TryGetValue(word, out var whole)) Try(whole, text, words, i, ref found);
            if (word.Length >= ShortestPrefix && ByWord.TryGetValue(word[..ShortestPrefix], out var prefixed) && !ReferenceEquals(whole, prefixed))
                Try(prefixed, text, words, i, ref found);
        }

        if (text.AsSpan().IndexOfAnyInRange('0', '9') >= 0)
        {
            foreach (Match match in ToolSize().Matches(text))
                Add(ref found, new Claim(ClaimKind.ToolSize, new Span(match.Groups["size"].Index, match.Groups["size"].Length), false));
            foreach (Match match in Class().Matches(text)) Add(ref found, new Claim(ClaimKind.Class, new Span(match.Index, match.Length), false));
        }

        return found is null ? [] : [.. found];
    }

    private static void Try(ClaimPattern[] patterns, string text, List<Word> words, int at, ref List<Claim>? found)
    {
        foreach (var pattern in patterns)
        {
            if (pattern.OpensSentence && at > 0 && words[at - 1].Sentence == words[at].Sentence) continue;
            if (End(pattern.Elements, 0, text, words, at) is not { } end) continue;
            var last = words[end - 1];
            Add(ref found, new Claim(pattern.Kind, new Span(words[at].Start, last.Start + last.Length - words[at].Start), Denied(text, words, at, end)));
        }
    }

    // One of a kind at a place, the longest: "bearing puller" is not "puller" once more.
    private static void Add(ref List<Claim>? found, Claim claim)
    {
        found ??= [];
        for (var i = found.Count - 1; i >= 0; i--)
        {
            if (found[i].Kind != claim.Kind || found[i].At.End <= claim.At.Start) continue;
            if (found[i].At.Start == claim.At.Start && claim.At.Length > found[i].At.Length) found[i] = claim;
            return;
        }

        found.Add(claim);
    }

    // The word behind a match that begins here; null where there is none.
    private static int? End(ClaimElement[] elements, int element, string text, List<Word> words, int at)
    {
        if (element == elements.Length) return at;
        var wanted = elements[element];
        switch (wanted.Form)
        {
            case ClaimForm.Mark:
                return at > 0 && words[at - 1].MarkFollows ? End(elements, element + 1, text, words, at) : null;
            case ClaimForm.NotNext:
                return at < words.Count && wanted.Is(words[at].Of(text)) ? null : End(elements, element + 1, text, words, at);
            case ClaimForm.Gap or ClaimForm.WideGap:
                var wide = wanted.Form == ClaimForm.WideGap;
                for (var next = at; next < words.Count && next <= at + (wide ? WidestWideGap : WidestGap); next++)
                {
                    if (wide ? words[next].Sentence != words[at - 1].Sentence : words[next].Clause != words[at - 1].Clause) return null;
                    if (elements[element + 1].Is(words[next].Of(text)) && End(elements, element + 1, text, words, next) is { } end) return end;
                }

                return null;
            default:
                return at < words.Count && (element == 0 || words[at].Sentence == words[at - 1].Sentence)
                    && wanted.Is(words[at].Of(text)) ? End(elements, element + 1, text, words, at + 1) : null;
        }
    }

    // "Do not", "never", "no …", "without" before it in the same clause; "is not" right behind it.
    private static bool Denied(string text, List<Word> words, int at, int end)
    {
        for (var i = at; i >= 0 && words[i].Clause == words[at].Clause; i--)
            if (Denials.Contains(words[i].Of(text))) return true;
        bool Behind(int i, FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> set) =>
            i < words.Count && words[i].Clause == words[end - 1].Clause && set.Contains(words[i].Of(text));
        return Behind(end, DenyingVerbs) || (Behind(end, Verbs) && Behind(end + 1, Denials));
    }

    private static List<Word> Cut(string text)
    {
        var words = _words ??= [];
        words.Clear();
        int clause = 0, sentence = 0, at = 0;
        while (at < text.Length)
        {
            var c = text[at];
            if (char.IsLetterOrDigit(c))
            {
                var start = at++;
                while (at < text.Length && (char.IsLetterOrDigit(text[at])
                    || (text[at] is '-' or '\'' or '’' && at + 1 < text.Length && char.IsLetter(text[at + 1])))) at++;
                if (Breaks.Contains(text.AsSpan(start, at - start))) clause++;
                words.Add(new Word(start, at - start, clause, sentence, at < text.Length && text[at] is ',' or ':'));
                continue;
            }

            if (c is ',' or ':' or '(' or ')' or '–' or '—') clause++;
            else if (c is '.' && words.Count > 0 && Shortened.Contains(words[^1].Of(text)) && IsBeforeNumber(text, at + 1))
            {
                // "See fig. 3": the sentence goes on.
            }
            else if (c is '\n' or ';' || (c is '.' or '!' or '?' && (at + 1 == text.Length || char.IsWhiteSpace(text[at + 1]))))
                (clause, sentence) = (clause + 1, sentence + 1);
            at++;
        }

        return words;
    }

    private static bool IsBeforeNumber(string text, int at)
    {
        while (at < text.Length && text[at] == ' ') at++;
        return at < text.Length && char.IsAsciiDigit(text[at]);
    }

    private static FrozenSet<string> Words(string words) => words.Split(' ').ToFrozenSet(StringComparer.OrdinalIgnoreCase);

    private static FrozenDictionary<string, ClaimPattern[]> Load()
    {
        var byWord = new Dictionary<string, List<ClaimPattern>>(StringComparer.OrdinalIgnoreCase);
        foreach (var (kind, right) in Trade.ClaimLines())
            foreach (var pattern in ClaimPattern.Parse(Enum.Parse<ClaimKind>(kind), right))
                foreach (var key in pattern.Elements[0].Keys(ShortestPrefix))
                {
                    if (!byWord.TryGetValue(key, out var list)) byWord[key] = list = [];
                    list.Add(pattern);
                }

        return byWord.ToFrozenDictionary(b => b.Key, b => b.Value.ToArray(), StringComparer.OrdinalIgnoreCase);
    }
}
