using System.Collections.Frozen;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Ways of saying that mean the same with any verb or thing in them (Trade/sayings.txt), put as the reader knows them: "the two that are left" is the remaining two.</summary>
internal sealed class Sayings(List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    private static readonly FrozenDictionary<string, Saying[]> ByFirst;
    private static readonly Saying[] OfNumbers;
    private static readonly Saying[] OfNames;

    static Sayings()
    {
        List<Saying> all = [.. DataFile.Lines("Trade.sayings").Select(DataFile.Cut).Select(l => new Saying(l.Left, l.Right))];
        ByFirst = all.SelectMany(s => s.FirstWords.Select(w => (Word: w, Saying: s))).GroupBy(s => s.Word,
            s => s.Saying).ToFrozenDictionary(g => g.Key, g => g.ToArray());
        OfNumbers = [.. all.Where(s => s.Begins(Saying.Number))];
        OfNames = [.. all.Where(s => s.Begins(Saying.Name))];
    }

    protected override void Look(int i)
    {
        if (ByFirst.TryGetValue(At(i), out var sayings) && Puts(i, sayings)) return;
        if (NumberAt(i) && Puts(i, OfNumbers)) return;
        // A name of words that are looked at one by one is looked for where it begins.
        if (OfNames.Length > 0 && (i == 0 || !IsNamePart(i - 1)) && IsNamePart(i)) Puts(i, OfNames);
    }

    private bool Puts(int i, Saying[] sayings)
    {
        foreach (var saying in sayings)
        {
            if (!Array.TrueForAll(saying.Needs, SaysAny)) continue;
            var said = new List<(int From, int To)>();
            // "Drive it up and out with a drift": no words begin there.
            if (saying.IsAtBegin && (!TokenList.Begins(Tokens, i) || Trade.Paths.Contains(At(i)) && At(i - 1) == "and" && Trade.Paths.Contains(At(i - 2)))
                || Match(saying, 0, i, said) is not { } end) continue;
            var meant = Meant(saying, said, i, end);
            Tokens.RemoveRange(i, end - i);
            Tokens.InsertRange(i, meant);
            return true;
        }

        return false;
    }

    // What is put in stands where the words are that it stands for, as far as these were not said again, or nowhere: in the order of the text.
    private List<Token> Meant(Saying saying, List<(int From, int To)> said, int from, int end)
    {
        var meant = new List<Token>();
        var at = Tokens[from].At.Start;
        foreach (var (word, slot) in saying.Meant)
        {
            if (slot < 0)
            {
                var to = meant.Count > 0 ? at : said.Count > 0 ? Tokens[said[0].From].At.Start : Tokens[end - 1].At.End;
                meant.Add(new Token(word == "," ? TokenKind.Mark : TokenKind.Word, word, new Span(at, Math.Max(0, to - at))));
                at = Math.Max(at, to);
                continue;
            }

            var taken = Tokens.GetRange(said[slot].From, said[slot].To - said[slot].From);
            if (word.Length > 0)
            {
                var behind = Trade.Determiners.Contains(taken[0].Text) ? 1 : 0;
                taken.Insert(behind, new Token(TokenKind.Word, word, new Span(behind > 0 ? taken[0].At.End : taken[0].At.Start, 0)));
            }

            meant.AddRange(taken);
            at = Math.Max(at, taken[^1].At.End);
        }

        return meant;
    }

    private HashSet<string>? _words;

    private bool SaysAny(string[] words) => Array.Exists(words, (_words ??= [.. Tokens.Select(t => t.Text)]).Contains);

    // The token behind what is said from a place of a saying on; null where something else stands there.
    private int? Match(Saying saying, int from, int i, List<(int From, int To)> said)
    {
        for (var k = from; k < saying.Said.Length; k++)
        {
            var piece = saying.Said[k];
            if (piece is [Saying.End]) return TokenList.IsEnd(Tokens, i) ? i : null;
            if (piece is [Saying.Number])
            {
                if (!NumberAt(i)) return null;
                said.Add((i, ++i));
                continue;
            }

            if (piece is [Saying.Torque])
            {
                if (i >= Tokens.Count || Tokens[i].Kind != TokenKind.Torque) return null;
                said.Add((i, ++i));
                continue;
            }

            if (piece is [Saying.Name or Saying.Fasteners])
            {
                // The longest name behind which the rest fits.
                for (var end = NameEnd(i); end > i; end--)
                {
                    var kept = said.Count;
                    said.Add((i, end));
                    if (EndsName(end - 1) && (piece is [Saying.Name] || IsFastener(At(end - 1)))
                        && Match(saying, k + 1, end, said) is { } behind) return behind;
                    said.RemoveRange(kept, said.Count - kept);
                }

                return null;
            }

            if (piece.Contains(WordAt(i))) i++;
            else if (!saying.MayLack[k]) return null;
        }

        return i;
    }

    private string WordAt(int i) => i >= 0 && i < Tokens.Count && Tokens[i].Kind is TokenKind.Word or TokenKind.Mark ? Tokens[i].Text : "";

    private bool NumberAt(int i) => i < Tokens.Count && Tokens[i].Kind is TokenKind.Number or TokenKind.Word
        && NumberWords.Parse(Tokens[i].Text) is > 0 and < 100
        && Tokens[i].Text is not ("a" or "an");

    private bool IsNamePart(int i) => At(i) is { Length: > 0 } word && (Trade.Determiners.Contains(word) || Trade.Pronouns.Contains(word)
        || NumberAt(i) || !Trade.IsSmall(word));

    private int NameEnd(int i)
    {
        var end = i;
        // "Detach the hose" is no name.
        var named = false;
        for (; end < i + Longest + 2 && (IsNamePart(end) || end > i && At(end) == "of"); end++)
        {
            var leads = Trade.Determiners.Contains(At(end));
            if (leads && named && At(end - 1) != "of") break;
            named |= !leads && !NumberAt(end);
        }

        return end;
    }

    private bool IsFastener(string word) => Trade.NounOf([Stem.Of(word)]) is { Kinds: [ThingKind.Joint, ..] }
        || Names.Resolve([Stem.Of(word)]).One is Joint;

    // A thing, or a word that stands for one.
    private bool EndsName(int i) => IsThing(At(i)) || At(i) is "it" or "them" or "one" or "ones" or "both" or "rest" or "others" or "other" || NumberAt(i);
}
