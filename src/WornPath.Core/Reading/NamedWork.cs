using System.Collections.Frozen;
using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// Work that is named by a noun, put as the verb the rest of the reader knows, before clauses are found: "carry out the removal of the cover",
/// "the removal of the cover comes next" and "removal of the cover" remove it; "after removal of the cover" is after removing it.
/// </summary>
internal static class NamedWork
{
    private static readonly FrozenDictionary<string, string> Verbs = Trade.NamedWork.Select(w => w.Split('>')).ToFrozenDictionary(w => w[0], w => w[1]);

    /// <summary>Straightens named work among the tokens. What is left out told nothing that the verb does not tell.</summary>
    public static void Straighten(List<Token> tokens)
    {
        for (var i = 0; i + 1 < tokens.Count; i++)
        {
            if (Behind(tokens, i)) continue;
            Doing(tokens, i);
            if (VerbOf(tokens, i) is not { } verb) continue;
            var from = Led(tokens, i);
            // "After removal of", "prior to the removal of": after, before removing it.
            if (Word(tokens, from - 1) is "after" or "following" or "upon") When(tokens, from - 1, i, "after");
            else if (Word(tokens, from - 1) == "before") When(tokens, from - 1, i, "before");
            else if (Word(tokens, from - 1) == "to" && Word(tokens, from - 2) == "prior") When(tokens, from - 2, i, "before");
            else if (Told(tokens, from) is { } start) i = Put(tokens, start, i, verb);
            else if (IsNext(tokens, from) is { } next) i = Put(tokens, next, i, verb);
            else if (Begins(tokens, from) && Comes(tokens, i)) i = Put(tokens, from, i, verb);
        }
    }

    /// <summary>The verb of a noun that names work ("removal"); null for any other word.</summary>
    public static string? VerbOf(string noun) => Verbs.GetValueOrDefault(noun);

    /// <summary>Whether work is named there, with its article or without: "the tightening of", "removal of".</summary>
    public static bool Names(List<Token> tokens, int at) =>
        VerbOf(tokens, Trade.Determiners.Contains(Word(tokens, at)) ? at + 1 : at) is not null;

    // "Cover removal: …" is about the cover; "carry out cover removal" removes it.
    private static bool Behind(List<Token> tokens, int at)
    {
        if (!Verbs.TryGetValue(Word(tokens, at), out var verb) || Trade.NounOf([Word(tokens, at)]) is { Role: NounRole.Thing }
            || Word(tokens, at + 1) == "of") return false;
        var from = at;
        while (from > 0 && at - from < Longest && Word(tokens, from - 1) is { Length: > 0 } word && !Trade.IsSmall(word)
            && !Trade.Performs.Contains(word)) from--;
        if (from == at) return false;
        if (Begins(tokens, from) && at + 1 < tokens.Count && tokens[at + 1] is { Kind: TokenKind.Mark, Text: ":" })
        {
            tokens.RemoveAt(at);
            return true;
        }

        var led = Trade.Determiners.Contains(Word(tokens, from - 1)) ? from - 1 : from;
        if (Told(tokens, led) is not { } start) return false;
        tokens.RemoveAt(at);
        tokens[start] = tokens[start] with { Text = verb };
        tokens.RemoveRange(start + 1, led - start - 1);
        return true;
    }

    // "Tightening the bolts comes next": tighten them.
    private static void Doing(List<Token> tokens, int at)
    {
        if (!Begins(tokens, at) || !Trade.Determiners.Contains(Word(tokens, at + 1)) || BaseOf(Word(tokens, at)) is not { } verb) return;
        var end = tokens.FindIndex(at, t => t.Kind is TokenKind.Stop);
        if (end < 0) end = tokens.Count;
        if (Word(tokens, end - 1) != "next" || Word(tokens, end - 2) is not ("comes" or "is")) return;
        tokens.RemoveRange(end - 2, 2);
        tokens[at] = tokens[at] with { Text = verb };
    }

    // A part has no longer name.
    private const int Longest = 4;

    // The verb of a noun that names work, where what it is done to follows: "removal of", "tightening of".
    private static string? VerbOf(List<Token> tokens, int at)
    {
        if (Word(tokens, at + 1) != "of") return null;
        var word = Word(tokens, at);
        if (Verbs.TryGetValue(word, out var verb)) return verb;
        return BaseOf(word);
    }

    // "Tightening": tighten.
    private static string? BaseOf(string word)
    {
        if (!word.EndsWith("ing", StringComparison.Ordinal) || !Trade.VerbsOf(word).Any(f => f.Form == Form.Ing)) return null;
        var stem = word[..^3];
        return Trade.IsBase(stem) ? stem : Trade.IsBase(stem + "e") ? stem + "e" : stem.Length > 2 && stem[^1] == stem[^2] && Trade.IsBase(stem[..^1])
            ? stem[..^1] : null;
    }

    // Where the noun begins, with its article: "the final tightening".
    private static int Led(List<Token> tokens, int at)
    {
        if (Word(tokens, at - 1) is "final" or "complete" or "careful" or "subsequent" or "initial") at--;
        return Trade.Determiners.Contains(Word(tokens, at - 1)) ? at - 1 : at;
    }

    private static void When(List<Token> tokens, int from, int work, string when)
    {
        var verb = VerbOf(tokens, work)!;
        var doing = English.FormsOf(verb, []).Last(f => f.Form == Form.Ing).Word;
        tokens[from] = tokens[from] with { Text = when };
        tokens[work] = tokens[work] with { Text = Trade.VerbsOf(doing).Any(f => f.Form == Form.Ing) ? doing : tokens[work].Text };
        tokens.RemoveAt(work + 1);
        tokens.RemoveRange(from + 1, work - from - 1);
    }

    // "Carry out the removal", "start with the removal", "proceed to the removal": where that begins.
    private static int? Told(List<Token> tokens, int at)
    {
        var lead = at - 1;
        if (Word(tokens, lead) is "with" or "to" or "by") return Goes(tokens, lead - 1);
        if (Word(tokens, lead) == "out") return Word(tokens, lead - 1) == "carry" ? lead - 1 : null;
        return Trade.Performs.Contains(Word(tokens, lead)) || Trade.Begins.Contains(Word(tokens, lead)) ? lead : null;
    }

    private static int? Goes(List<Token> tokens, int at)
    {
        var word = Word(tokens, at);
        if (word == "on" && Word(tokens, at - 1) is "go" or "carry" or "move") return at - 1;
        // "This is followed by the removal".
        if (word == "followed" && Word(tokens, at + 1) == "by" && Word(tokens, at - 1) == "is" && Word(tokens, at - 2) is "this" or "that") return at - 2;
        return Trade.Begins.Contains(word) || word is "proceed" or "commence" ? at : null;
    }

    // "Next comes the removal", "then follows the removal".
    private static int? IsNext(List<Token> tokens, int at)
    {
        if (Word(tokens, at - 1) is not ("comes" or "is" or "follows")) return null;
        return Word(tokens, at - 2) is "next" or "now" or "then" && Begins(tokens, at - 2) ? at - 2 : null;
    }

    // "The removal of the cover comes next", "… can now be carried out", "removal of the cover" alone: told. "… is not necessary",
    // "… is described below", "removal of the cover: …": spoken of. What tells it and no more is taken out.
    private static bool Comes(List<Token> tokens, int work)
    {
        var end = work;
        while (end < tokens.Count && tokens[end].Kind != TokenKind.Stop) end++;
        if (tokens.FindIndex(work, end - work, t => t is { Kind: TokenKind.Mark, Text: ":" }) >= 0) return false;
        var be = tokens.FindIndex(work + 2, end - work - 2, t => t.Kind == TokenKind.Word
            && (Trade.Auxiliaries.Contains(t.Text) || t.Text is "comes" or "follows"));
        if (be < 0) return !tokens.GetRange(work + 2, end - work - 2).Exists(t => t.Kind == TokenKind.Word && Trade.Relatives.Contains(t.Text));
        var past = be;
        while (past < end && (Trade.Auxiliaries.Contains(Word(tokens, past)) || Word(tokens, past) is "to" or "comes" or "follows" or "now" or "then"
            or "next" or "up")) past++;
        var told = Word(tokens, be) is "comes" or "follows" || Word(tokens, past - 1) is "next" or "now";
        if (Word(tokens, past) is "carried" && Word(tokens, past + 1) == "out") (past, told) = (past + 2, true);
        else if (Trade.Performed.Contains(Word(tokens, past))) (past, told) = (past + 1, true);
        if (Word(tokens, past) is "next" or "now" or "first") past++;
        if (!told || past < end && (Trade.Negations.Contains(Word(tokens, past))
            || Trade.VerbsOf(Word(tokens, past)).Any(f => f.Form == Form.Ed))) return false;
        tokens.RemoveRange(be, past - be);
        return true;
    }

    // The verb in place of all that told it, and what it is done to behind it.
    private static int Put(List<Token> tokens, int from, int work, string verb)
    {
        tokens[from] = new Token(TokenKind.Word, verb, tokens[from].At with { Length = tokens[work].At.End - tokens[from].At.Start });
        tokens.RemoveRange(from + 1, work + 1 - from);
        return from;
    }
}
